/* Languages: those that are built in are whole, a tag finds its language, a word that is missing is
 * found elsewhere, and a prompt's text is as a plain model puts it together. */
#include "nestplug/prompt.h"
#include "support.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* --- those that are built in ---------------------------------------------------------------- */

static const nplug_word *find(const nplug_language *language, const char *thing)
{
    for (uint32_t i = 0; i < language->count; i++)
        if (strcmp(language->list[i].thing, thing) == 0) return &language->list[i];
    return NULL;
}

TEST(languages_are_whole_and_in_order)
{
    const nplug_language *english = nplug_language_for("en"), *language;
    uint32_t n = 0;

    for (; (language = nplug_language_at(n)) != NULL; n++) {
        ck_assert_uint_eq(language->count, english->count);
        for (uint32_t i = 0; i < english->count; i++) {
            const nplug_word *word = &language->list[i];
            ck_assert_str_eq(word->thing, english->list[i].thing);
            ck_assert(i == 0 || strcmp(language->list[i - 1].thing, word->thing) < 0);
        }
    }
    ck_assert_uint_gt(n, 1);
}

/* A pattern with its places filled in, by the letter. */
static void fill(char *out, const char *pattern, const char *first, const char *second)
{
    for (*out = 0; *pattern; pattern++) {
        const char *piece = strncmp(pattern, "{0}", 3) == 0   ? first
                            : strncmp(pattern, "{1}", 3) == 0 ? second
                                                              : NULL;
        if (piece) {
            strcat(out, piece);
            pattern += 2;
        } else {
            strncat(out, pattern, 1);
        }
    }
}

static const char *word_of(const nplug_language *language, const char *thing, bool full)
{
    const nplug_word *word = find(language, thing);

    if (!word) word = find(nplug_language_for("en"), thing);
    return full && word->words ? word->words : word->label;
}

/* What a thing is called, of one hand or with a number. */
static const char *called(const nplug_language *language, const char *thing, int hand,
                          bool numbered)
{
    static const char *const hands[] = {"", "left-hand", "right-hand"};
    static char words[200];

    strcpy(words, word_of(language, thing, true));
    if (hand) fill(words, word_of(language, hands[hand], true), word_of(language, thing, true), "");
    if (numbered)
        fill(words, word_of(language, "number", true), word_of(language, thing, true), "12");
    return words;
}

static void ask(const nplug_nest *nest, const nplug_language *language, const char *name,
                uint16_t way, nplug_prompt *prompt)
{
    nplug_source source = {nplug_control_named(name), way};

    prompt->language = language;
    ck_assert_int_eq(nplug_source_prompt(nest, 0, source, prompt), NPLUG_OK);
    ck_assert_uint_eq(prompt->count, 1);
}

/* Every control that has words, of either hand or with a number, in all its ways: nothing of them
 * is cut, and every language calls two controls of a device by two names. */
TESTS(nothing_is_cut_and_nothing_is_called_alike, 2)
{
    static const char *const heads[] = {"", "hand-left:", "hand-right:"};
    static const char *const ends[] = {"", "-12"};
    const nplug_language *language = nplug_language_at((uint32_t)_i);
    static char seen[400][64], asked[400][96];
    nplug_game game = harbour_for(1);
    size_t count = 0;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    for (uint32_t i = 0; i < language->count; i++) {
        const char *thing = language->list[i].thing, *bare = strchr(thing, ':');
        for (int h = 0; bare && h < 3; h++) {
            for (int e = 0; e < 2; e++) {
                char name[96];
                bool of_hand = strncmp(thing, "hand:", 5) == 0;
                if (of_hand != (h > 0)) continue;
                snprintf(name, sizeof name, "%s%s%s", heads[h], of_hand ? bare + 1 : thing,
                         ends[e]);
                if (!nplug_control_named(name)) continue;
                for (uint16_t way = NPLUG_WAY_WHOLE; way <= NPLUG_WAY_DOWN; way++) {
                    NPLUG_SIZED(nplug_prompt, prompt);
                    ask(rig.nest, language, name, way, &prompt);
                    ck_assert_uint_lt(strlen(prompt.parts[0].label),
                                      sizeof prompt.parts[0].label - 1);
                    ck_assert_uint_lt(strlen(prompt.parts[0].words),
                                      sizeof prompt.parts[0].words - 1);
                    ck_assert_ptr_null(strchr(prompt.parts[0].words, '{'));
                    if (way) continue;
                    ck_assert_str_eq(prompt.parts[0].words, called(language, thing, h, e == 1));
                    for (size_t s = 0; s < count; s++)
                        ck_assert_msg(strcmp(seen[s], prompt.parts[0].words) != 0 ||
                                          strncmp(asked[s], name, strcspn(name, ":")) != 0,
                                      "%s: %s and %s are \"%s\"", language->tag, asked[s], name,
                                      seen[s]);
                    strcpy(seen[count], prompt.parts[0].words);
                    strcpy(asked[count++], name);
                }
            }
        }
    }
    ck_assert_uint_gt(count, 90);
    rig_close(&rig);
}

/* A label by itself is shown as a capital, where there is one; a sign as itself. */
TEST(a_label_alone_is_as_caps_are)
{
    static const struct {
        const char *name, *label;
    } rows[] = {{"key-label:a", "A"},
                {"key-label:z", "Z"},
                {"key-label:comma", ","},
                {"key-label:period", "."},
                {"key-label:5", "5"},
                {"key-label:\xc3\xa0", "\xc3\x80"},
                {"key-label:\xc3\xbe", "\xc3\x9e"},
                {"key-label:\xc3\xb7", "\xc3\xb7"}, /* a division sign */
                {"key-label:\xc3\xbf", "\xc3\xbf"}, /* its capital is no Latin-1 */
                {"key-label:\xce\xb1", "\xce\x91"},
                {"key-label:\xcf\x89", "\xce\xa9"},
                {"key-label:\xcf\x82", "\xcf\x82"}}; /* a sigma at a word's end */
    nplug_game game = harbour_for(1);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    for (size_t i = 0; i < COUNT_OF(rows); i++) {
        NPLUG_SIZED(nplug_prompt, prompt);
        ask(rig.nest, NULL, rows[i].name, 0, &prompt);
        ck_assert_str_eq(prompt.parts[0].label, rows[i].label);
    }
    rig_close(&rig);
}

TESTS(a_tag_finds_its_language, 14)
{
    static const struct {
        const char *tag, *found;
    } rows[] = {
        {"de", "de"},        {"DE", "de"},    {"de-AT", "de"},       {"de-Latn-CH-1996", "de"},
        {"de-x-quay", "de"}, {"en-GB", "en"}, {"en-a-bb-x-c", "en"}, {"d", NULL},
        {"deu", NULL},       {"", NULL},      {NULL, NULL},          {"-de", NULL},
        {"qaa-de", NULL},    {"i-de", NULL}};
    const nplug_language *found = nplug_language_for(rows[_i].tag);

    ck_assert_int_eq(found != NULL, rows[_i].found != NULL);
    if (found) ck_assert_str_eq(found->tag, rows[_i].found);
}

/* --- what is missing ---------------------------------------------------------------------------
 */

static nplug_language_file *parse(const char *text)
{
    nplug_language_file *file;
    nplug_notes notes;

    ck_assert_msg(nplug_language_file_parse(text, strlen(text), "own", &file, &notes) == NPLUG_OK,
                  "%s", notes.note[0].text);
    return file;
}

TEST(a_word_that_is_missing_is_found_elsewhere)
{
    static const char *const islands =
        "{\"nestplug\": \"language\", \"version\": 1, \"tag\": \"de-HL\", \"words\": {"
        "\"pad:south\": \"nedder\", \"hand:trigger\": [\"Tog\", \"de Tog\"]}}";
    nplug_language_file *file = parse(islands);
    nplug_language own = *nplug_language_file_language(file);
    nplug_game game = harbour_for(1);
    test_rig rig;

    NPLUG_SIZED(nplug_prompt, prompt);
    rig_open(&rig, &game, NULL);
    ask(rig.nest, &own, "pad:south", 0, &prompt);
    ck_assert_str_eq(prompt.parts[0].words, "nedder");
    ask(rig.nest, &own, "pad:north", 0, &prompt);
    ck_assert_str_eq(prompt.parts[0].label, "top button");
    own.other = nplug_language_for("de");
    ask(rig.nest, &own, "pad:north", 0, &prompt);
    ck_assert_str_eq(prompt.parts[0].label, "Knopf oben");
    ask(rig.nest, &own, "hand-left:trigger", 0, &prompt);
    ck_assert_str_eq(prompt.parts[0].words, "de Tog der linken Hand");
    own.other = &own; /* who names itself has an end, too */
    ask(rig.nest, &own, "pad:north", 0, &prompt);
    ck_assert_str_eq(prompt.parts[0].label, "top button");
    own.size = 4; /* of a version that nobody knows */
    own.other = NULL;
    ask(rig.nest, &own, "pad:south", 0, &prompt);
    ck_assert_str_eq(prompt.parts[0].label, "bottom button");
    rig_close(&rig);
    nplug_language_file_free(file);
}

/* --- texts against a plain model ----------------------------------------------------------------
 */

/* The labels in a row, two at a time from the left. */
static void in_a_row(char *out, const char *pattern, const char *const *labels, size_t count)
{
    char longer[2000];

    strcpy(out, count ? labels[0] : "");
    for (size_t i = 1; i < count; i++) {
        fill(longer, pattern, out, labels[i]);
        strcpy(out, longer);
    }
}

static void expect(const nplug_prompt *prompt, bool full, char *out)
{
    static const char *const things[] = {[NPLUG_GESTURE_PRESS] = "press",
                                         [NPLUG_GESTURE_RELEASE] = "release",
                                         [NPLUG_GESTURE_TAP] = "tap",
                                         [NPLUG_GESTURE_HOLD] = "hold",
                                         [NPLUG_GESTURE_REPEAT] = "repeat"};
    const nplug_language *language = prompt->language;
    const char *held[8] = {NULL}, *driving[8] = {NULL}, *thing = things[prompt->gesture];
    char first[2000], second[2000], both[2000], taps[12];
    size_t h = 0, d = 0;

    for (uint32_t i = 0; i < prompt->count; i++) {
        const nplug_prompt_part *part = &prompt->parts[i];
        const char *label = full ? part->words : part->label;
        if (part->role == NPLUG_PROMPT_ROLE_HELD)
            held[h++] = label;
        else
            driving[d++] = label;
    }
    in_a_row(first, word_of(language, "chord", full), held, h);
    in_a_row(second, word_of(language, "list", full), driving, d);
    if (h)
        fill(both, word_of(language, "chord", full), first, second);
    else
        strcpy(both, second);
    snprintf(taps, sizeof taps, "%u", prompt->taps);
    if (prompt->gesture == NPLUG_GESTURE_TAP && prompt->taps == 2) thing = "twice";
    if (prompt->gesture == NPLUG_GESTURE_TAP && prompt->taps > 2) thing = "times";
    fill(out, word_of(language, thing, full), both, taps);
}

/* Of a language of the game's own: some patterns, each with letters around and places in any order.
 */
static nplug_language_file *random_language(void)
{
    static const char *const two[] = {"chord", "list", "times"};
    static const char *const one[] = {"press", "release", "tap", "twice", "hold", "repeat"};
    static const char *const around[] = {"", "x ", "\xd7\x90 ", " \xe2\x80\xa2 ", "} {"};
    char text[2000];
    size_t at = (size_t)snprintf(text, sizeof text,
                                 "{\"nestplug\": \"language\", \"version\": 1, \"tag\": \"qaa\", "
                                 "\"words\": {\"pad:home\": \"h\"");

    for (int i = 0; i < 9; i++) {
        bool pair = i < 3, turned = pair && rand() % 2, full = rand() % 2;
        if (rand() % 4 == 0) continue;
        at += (size_t)snprintf(text + at, sizeof text - at, ", \"%s\": %s",
                               pair ? two[i] : one[i - 3], full ? "[\"{0}{1}\", " : "");
        at +=
            (size_t)snprintf(text + at, sizeof text - at, "\"%s{%d}%s%s%s\"%s", around[rand() % 5],
                             turned, around[rand() % 5], pair ? (turned ? "{0}" : "{1}") : "",
                             around[rand() % 5], full ? "]" : "");
    }
    snprintf(text + at, sizeof text - at, "}}");
    return parse(text);
}

static void random_prompt(nplug_prompt *prompt)
{
    static const uint32_t gestures[] = {NPLUG_GESTURE_PRESS, NPLUG_GESTURE_RELEASE,
                                        NPLUG_GESTURE_TAP, NPLUG_GESTURE_HOLD,
                                        NPLUG_GESTURE_REPEAT};
    uint32_t held = (uint32_t)rand() % 4;

    memset(prompt, 0, sizeof *prompt);
    prompt->size = (uint32_t)sizeof *prompt;
    prompt->gesture = gestures[rand() % 5];
    prompt->taps = 1 + (uint32_t)rand() % 4;
    prompt->count = held + 1 + (uint32_t)rand() % 4;
    for (uint32_t i = 0; i < prompt->count; i++) {
        nplug_prompt_part *part = &prompt->parts[i];
        part->role = i < held ? NPLUG_PROMPT_ROLE_HELD : NPLUG_PROMPT_ROLE_PRESS;
        snprintf(part->label, sizeof part->label, "%c", 'A' + rand() % 26);
        snprintf(part->words, sizeof part->words, "%c key", 'A' + rand() % 26);
    }
}

TESTS(a_text_is_as_its_language_puts_it, 8)
{
    srand((unsigned)_i + 501);
    for (int n = 0; n < 40; n++) {
        nplug_language_file *file = random_language();
        for (int p = 0; p < 20; p++) {
            char text[2000], expected[2000], joined[2000] = "";
            bool full = rand() % 2;
            nplug_run runs[64];
            nplug_prompt prompt;
            size_t count;
            random_prompt(&prompt);
            prompt.language = nplug_language_file_language(file);
            expect(&prompt, full, expected);
            ck_assert_uint_eq(nplug_prompt_text(&prompt, full, text, sizeof text),
                              strlen(expected));
            ck_assert_str_eq(text, expected);
            count = nplug_prompt_runs(&prompt, runs, 64);
            ck_assert_uint_le(count, 64);
            for (size_t i = 0; i < count; i++)
                strncat(joined, runs[i].text ? runs[i].text : runs[i].part.label,
                        runs[i].text ? runs[i].length : sizeof runs[i].part.label);
            expect(&prompt, false, expected);
            ck_assert_str_eq(joined, expected);
        }
        nplug_language_file_free(file);
    }
}

/* --- written from right to left -----------------------------------------------------------------
 */

static size_t hebrew(void *user, uint16_t usage, char *buffer, size_t size)
{
    (void)user;
    if (usage != 0x0b) return 0; /* HID usage tables, page 0x07: H */
    return (size_t)snprintf(buffer, size, "\xd7\x99");
}

/* A label that is written the other way than its language stands alone between two marks, and its
 * letters are as they were. */
TEST(what_is_written_the_other_way_is_marked)
{
    static const char *const words = "{\"nestplug\": \"language\", \"version\": 1, \"tag\": "
                                     "\"he\", \"right-to-left\": true, \"words\": {\"hold\": "
                                     "\"\xd7\x9c\xd7\x97\xd7\xa5 {0}\"}}";
    nplug_language_file *file = parse(words);
    const nplug_language *own = nplug_language_file_language(file);
    nplug_game game = harbour_for(1);
    test_rig rig;
    char text[100];

    NPLUG_SIZED(nplug_prompt, prompt);
    ck_assert_uint_eq(own->right_to_left, 1);
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    nplug_use_key_labels(rig.nest, hebrew, NULL);
    nplug_bind(rig.nest, 1, HORN, "key:KeyH hold=300");
    rig_step(&rig, MS);
    for (int turned = 0; turned < 2; turned++) {
        prompt.language = turned ? own : NULL;
        ck_assert_int_eq(nplug_prompt_info(rig.nest, 1, HORN, &prompt), NPLUG_OK);
        ck_assert_str_eq(prompt.parts[0].label, "\xd7\x99");
        ck_assert_uint_eq(prompt.parts[0].flags, NPLUG_PROMPT_FLAG_RIGHT_TO_LEFT);
        nplug_prompt_text(&prompt, false, text, sizeof text);
        ck_assert_str_eq(text, turned ? "\xd7\x9c\xd7\x97\xd7\xa5 \xd7\x99"
                                      : "hold \xe2\x81\xa8\xd7\x99\xe2\x81\xa9");
    }
    nplug_bind(rig.nest, 1, HORN, "key:F5");
    rig_step(&rig, 2 * MS);
    nplug_sentence_text(rig.nest, 1, "{horn}", false, own, text, sizeof text);
    ck_assert_str_eq(text, "\xe2\x81\xa8"
                           "F5\xe2\x81\xa9");
    nplug_sentence_text(rig.nest, 1, "{horn}", false, NULL, text, sizeof text);
    ck_assert_str_eq(text, "F5");
    rig_close(&rig);
    nplug_language_file_free(file);
}

/* --- prompts that are kept -----------------------------------------------------------------------
 */

TEST(another_language_changes_what_is_kept)
{
    nplug_game game = harbour_for(1);
    _Alignas(16) char block[4096];
    nplug_prompter *kept = nplug_prompter_open(2, block, sizeof block);
    char text[100];
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    nplug_bind(rig.nest, 1, HORN, "key:Space hold=300");
    rig_step(&rig, MS);
    ck_assert_int_eq(nplug_prompter_keep(kept, 1, HORN, NULL), NPLUG_OK);
    ck_assert_uint_eq(nplug_prompter_step(kept, rig.nest), 1);
    ck_assert_uint_eq(nplug_prompter_step(kept, rig.nest), 0);
    ck_assert_int_eq(nplug_prompter_speak(kept, nplug_language_for("de-CH")), NPLUG_OK);
    ck_assert_uint_eq(nplug_prompter_step(kept, rig.nest), 1);
    nplug_prompt_text(nplug_prompter_at(kept, 0, NULL), true, text, sizeof text);
    ck_assert_str_eq(text, "Leertaste halten");
    ck_assert_uint_eq(nplug_prompter_step(kept, rig.nest), 0);
    ck_assert_int_eq(nplug_prompter_speak(NULL, NULL), NPLUG_ERR_ARGUMENT);
    rig_close(&rig);
}
