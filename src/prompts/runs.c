/* Prompts and sentences, in the order in which they are read: as runs, or as one text. */
#include "nestplug/action.h"
#include "prompts.h"
#include <string.h>

/* --- where runs go ------------------------------------------------------------------------------
 */

/* Either a text, or a list of runs; of a list that is full, the rest is counted. */
typedef struct sink {
    nq_text *text;
    bool long_labels;
    nplug_run *runs;
    size_t room, count;
    const nplug_language *language;
} sink;

static const char *pattern(const sink *out, const char *thing)
{
    return nq_word(out->language, thing, out->long_labels);
}

static void put_run(sink *out, const char *text, size_t length, const nplug_prompt_part *part)
{
    if (out->runs && out->count < out->room) {
        nplug_run *run = &out->runs[out->count];
        memset(run, 0, sizeof *run);
        run->text = text;
        run->length = length;
        if (part) run->part = *part;
    }
    out->count++;
}

static void put_text(sink *out, const char *text, size_t length)
{
    if (length == 0) return;
    if (out->text) nq_text_add_some(out->text, text, length);
    put_run(out, text, length, NULL);
}

/* A label that is written the other way than all around it is isolated (UAX #9, section 2.4.2), so
 * that neither draws the other's signs over. */
static void put_part(sink *out, const nplug_prompt_part *part)
{
    const char *label = out->long_labels ? part->words : part->label;
    bool around = out->language && out->language->right_to_left;

    if (out->text && nq_is_right_to_left(label) != around)
        nq_text_fill(out->text, "\xe2\x81\xa8{0}\xe2\x81\xa9", label, NULL);
    else if (out->text)
        nq_text_add(out->text, label);
    put_run(out, NULL, 0, part);
}

/* --- a prompt ------------------------------------------------------------------------------------
 */

/* A piece of a prompt, which stands in a place of a pattern. */
typedef enum piece { HELD, DRIVING, BOTH, TAPS } piece;

static bool is_of(const nplug_prompt_part *part, piece which)
{
    return (part->role == NPLUG_PROMPT_ROLE_HELD) == (which == HELD);
}

/* Of the first `end` parts, those that are held or those that drive, in a row: its pattern is for
 * two, so the row but its last one stands in {0}. */
static void put_row(sink *out, const nplug_prompt *prompt, piece which, uint32_t end)
{
    const char *rest = pattern(out, which == HELD ? "chord" : "list");
    uint32_t last = end, before;

    while (last && !is_of(&prompt->parts[last - 1], which))
        last--;
    for (before = last ? last - 1 : 0; before && !is_of(&prompt->parts[before - 1], which);)
        before--;
    if (last && before == 0) put_part(out, &prompt->parts[last - 1]);
    while (before && *rest) {
        size_t at = nq_next_place(rest);
        put_text(out, rest, at);
        rest += at;
        if (!*rest) break;
        if (rest[1] == '0') put_row(out, prompt, which, before);
        if (rest[1] == '1') put_part(out, &prompt->parts[last - 1]);
        rest += 3;
    }
}

static uint32_t parts_of(const nplug_prompt *prompt)
{
    return prompt->count < NPLUG_PROMPT_PARTS ? prompt->count : NPLUG_PROMPT_PARTS;
}

static bool has_held(const nplug_prompt *prompt)
{
    for (uint32_t i = 0; i < parts_of(prompt); i++)
        if (is_of(&prompt->parts[i], HELD)) return true;
    return false;
}

static void put_piece(sink *out, const nplug_prompt *prompt, piece which);

/* A pattern with its two places filled in. */
static void put_pattern(sink *out, const nplug_prompt *prompt, const char *rest, piece first,
                        piece second)
{
    while (*rest) {
        size_t at = nq_next_place(rest);
        put_text(out, rest, at);
        rest += at;
        if (!*rest) return;
        put_piece(out, prompt, rest[1] == '0' ? first : second);
        rest += 3;
    }
}

static void put_piece(sink *out, const nplug_prompt *prompt, piece which)
{
    static const char digits[] = "0123456789";

    if (which == TAPS) {
        if (prompt->taps < 10) put_text(out, digits + prompt->taps, 1);
    } else if (which == BOTH && has_held(prompt)) {
        put_pattern(out, prompt, pattern(out, "chord"), HELD, DRIVING);
    } else {
        put_row(out, prompt, which == HELD ? HELD : DRIVING, parts_of(prompt));
    }
}

static const char *thing_of(const nplug_prompt *prompt)
{
    switch (prompt->gesture) {
    case NPLUG_GESTURE_RELEASE:
        return "release";
    case NPLUG_GESTURE_TAP:
        return prompt->taps < 2 ? "tap" : prompt->taps == 2 ? "twice" : "times";
    case NPLUG_GESTURE_HOLD:
        return "hold";
    case NPLUG_GESTURE_REPEAT:
        return "repeat";
    default:
        return "press";
    }
}

static void put_prompt(sink *out, const nplug_prompt *prompt)
{
    put_pattern(out, prompt, pattern(out, thing_of(prompt)), BOTH, TAPS);
}

/* --- a sentence ----------------------------------------------------------------------------------
 */

/* Which action the name at the brace is of; false where it is none's. */
static bool action_at(const nplug_nest *nest, const char *brace, uint32_t *action, size_t *length)
{
    const char *end = strchr(brace, '}');
    char name[64];

    *length = end ? (size_t)(end - brace) + 1 : 0;
    if (*length < 3 || *length - 2 >= sizeof name || brace[1] == '{') return false;
    memcpy(name, brace + 1, *length - 2);
    name[*length - 2] = 0;
    *action = nplug_action_number(nest, name);
    return *action != NPLUG_NO_ACTION;
}

/* False where an action of the sentence cannot be done now. */
static bool put_sentence(sink *out, const nplug_nest *nest, nplug_player player,
                         const char *sentence)
{
    NPLUG_SIZED(nplug_prompt, prompt);
    uint32_t action;
    size_t length;

    prompt.language = out->language;
    while (*sentence) {
        size_t at = strcspn(sentence, "{");
        put_text(out, sentence, at);
        sentence += at;
        if (!*sentence) break;
        if (action_at(nest, sentence, &action, &length)) {
            nplug_prompt_info(nest, player, action, &prompt);
            if (prompt.count == 0) return false;
            put_prompt(out, &prompt);
            sentence += length;
        } else { /* "{{" is a brace; a name that no action has stays to be seen */
            put_text(out, sentence, 1);
            sentence += sentence[1] == '{' ? 2 : 1;
        }
    }
    return true;
}

/* --- asked for -----------------------------------------------------------------------------------
 */

static sink sink_of(const nplug_language *language)
{
    sink out = {NULL, false, NULL, 0, 0, NULL};

    out.language = language;
    return out;
}

size_t nplug_prompt_text(const nplug_prompt *prompt, bool long_labels, char *buffer, size_t size)
{
    nq_text text = nq_text_in(buffer, size);
    sink out = sink_of(prompt ? prompt->language : NULL);

    out.text = &text;
    out.long_labels = long_labels;
    if (prompt && prompt->count) put_prompt(&out, prompt);
    return text.length;
}

size_t nplug_prompt_runs(const nplug_prompt *prompt, nplug_run *runs, size_t room)
{
    sink out = sink_of(prompt ? prompt->language : NULL);

    out.runs = runs;
    out.room = room;
    if (prompt && prompt->count) put_prompt(&out, prompt);
    return out.count;
}

size_t nplug_sentence_text(const nplug_nest *nest, nplug_player player, const char *sentence,
                           bool long_labels, const nplug_language *language, char *buffer,
                           size_t size)
{
    nq_text text = nq_text_in(buffer, size);
    sink out = sink_of(language);

    out.text = &text;
    out.long_labels = long_labels;
    if (nest && sentence && put_sentence(&out, nest, player, sentence)) return text.length;
    if (size) buffer[0] = 0;
    return 0;
}

size_t nplug_sentence_runs(const nplug_nest *nest, nplug_player player, const char *sentence,
                           const nplug_language *language, nplug_run *runs, size_t room)
{
    sink out = sink_of(language);

    out.runs = runs;
    out.room = room;
    return nest && sentence && put_sentence(&out, nest, player, sentence) ? out.count : 0;
}
