/* Offers and prompts: whatever they say, done, presses its action.  Random bindings, comforts,
 * hands and devices, played through simulated hardware; and what prompts are called. */
#include "nestplug/prompt.h"
#include "support.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define DEVICES 7
#define ACTIONS 4

static const struct {
    const char *model;
    nplug_device_kind kind;
} hardware[DEVICES] = {{"heron", NPLUG_KIND_PAD},
                       {"whimbrel", NPLUG_KIND_PAD},
                       {"curlew", NPLUG_KIND_PAD},
                       {"turnstone", NPLUG_KIND_KEYBOARD},
                       {"stint", NPLUG_KIND_MOUSE},
                       {"osprey-left", NPLUG_KIND_HAND_LEFT},
                       {"osprey-right", NPLUG_KIND_HAND_RIGHT}};

static const char *const texts[] = {"pad:south",
                                    "pad:confirm",
                                    "pad:cancel | key:Escape",
                                    "key:KeyE | pad:west",
                                    "key:ShiftLeft+key:KeyQ",
                                    "key:KeyQ | pad:east",
                                    "pad:shoulder-left+pad:east",
                                    "key:Space hold=300",
                                    "pad:north taps=2",
                                    "pad:stick-left.up | key:ArrowUp",
                                    "pad:stick-right.left press=0.6",
                                    "pad:trigger-right press=0.8",
                                    "mouse:left | hand:trigger press=0.9",
                                    "hand-main:lower",
                                    "hand-off:upper | mouse:right",
                                    "pad:start on-release",
                                    "pad:dpad-down repeat=300:100",
                                    "pad:south family=harbour-marks | pad:east family=quay-letters",
                                    "key:ControlLeft+mouse:middle",
                                    "key:ControlLeft+pad:west"};

typedef struct play {
    test_rig rig;
    nplug_action_def defs[ACTIONS];
    nplug_device devices[DEVICES];
    bool here[DEVICES];
    nplug_time now;
} play;

static const char *name_of(int i)
{
    static char names[4][8];
    static int next;
    char *name = names[next++ % 4];

    snprintf(name, sizeof names[0], "d%d", i);
    return name;
}

static int place_of(const play *p, nplug_device device)
{
    for (int i = 0; i < DEVICES; i++)
        if (p->here[i] && p->devices[i] == device) return i;
    return -1;
}

static void wait(play *p, nplug_time span)
{
    p->now += span;
    rig_step(&p->rig, p->now);
}

static void plug(play *p, int i)
{
    uint32_t count = nplug_device_count(p->rig.nest);

    nplug_sim_plug(p->rig.sim, p->now, name_of(i), hardware[i].model);
    wait(p, 5 * MS);
    p->devices[i] = nplug_device_at(p->rig.nest, count);
    p->here[i] = true;
}

/* The device of a set on which a control is: the offer's, or the other one of a desk or of two
 * hands.
 */
static int has_control(const play *p, nplug_device offered, nplug_control control)
{
    int first = place_of(p, offered);
    unsigned class_ = NPLUG_CONTROL_CLASS(control);

    for (int i = 0; i < DEVICES; i++) {
        bool same = i == first || (hardware[i].kind != NPLUG_KIND_PAD &&
                                   (hardware[i].kind < NPLUG_KIND_HAND_LEFT) ==
                                       (hardware[first].kind < NPLUG_KIND_HAND_LEFT));
        bool fits = (class_ == NPLUG_CLASS_PAD && hardware[i].kind == NPLUG_KIND_PAD) ||
                    (class_ == NPLUG_CLASS_KEY && hardware[i].kind == NPLUG_KIND_KEYBOARD) ||
                    (class_ == NPLUG_CLASS_MOUSE && hardware[i].kind == NPLUG_KIND_MOUSE) ||
                    (class_ == NPLUG_CLASS_HAND_LEFT && hardware[i].kind == NPLUG_KIND_HAND_LEFT) ||
                    (class_ == NPLUG_CLASS_HAND_RIGHT && hardware[i].kind == NPLUG_KIND_HAND_RIGHT);
        if (p->here[i] && same && fits) return i;
    }
    return -1;
}

/* A person's finger goes down on a source, or comes up. */
static void finger(play *p, nplug_device device, nplug_source source, bool down)
{
    static const nplug_vec2 ways[] = {{1, 0}, {1, 0}, {0, 1}, {1, 0}, {-1, 0}, {0, 1}, {0, -1}};
    nplug_vec2 rest = {0, 0};
    int on = has_control(p, device, source.control);
    char name[64], *bare;
    unsigned components;
    bool axis = nplug_control_nature(source.control, &components) == NPLUG_NATURE_AXIS;

    ck_assert_int_ge(on, 0);
    nplug_control_name(source.control, name, sizeof name);
    bare = strchr(name, ':') + 1;
    if (axis)
        nplug_sim_sweep(p->rig.sim, p->now, name_of(on), bare, down ? ways[source.way] : rest, 0);
    else if (down)
        nplug_sim_press(p->rig.sim, p->now, name_of(on), bare, 0);
    else
        nplug_sim_release(p->rig.sim, p->now, name_of(on), bare);
    wait(p, 5 * MS);
}

/* Does what an offer says; how often its action was pressed by that. */
static uint32_t do_it(play *p, uint32_t action, const nplug_offer *offer)
{
    const nplug_binding *b = &offer->binding;
    uint32_t times = b->gesture == NPLUG_GESTURE_TAP ? b->taps : 1, before;
    NPLUG_SIZED(nplug_action_facts, facts);

    nplug_action_info(p->rig.nest, 1, action, &facts);
    before = (uint32_t)facts.press_count;
    for (uint32_t i = 0; i < b->held_count; i++)
        finger(p, offer->device, b->held[i], true);
    for (uint32_t i = 0; i < times; i++) {
        finger(p, offer->device, b->driving[0], true);
        if (b->gesture == NPLUG_GESTURE_HOLD) wait(p, b->wait_us + MS);
        finger(p, offer->device, b->driving[0], false);
    }
    for (uint32_t i = 0; i < b->held_count; i++)
        finger(p, offer->device, b->held[i], false);
    wait(p, 2 * SECOND);
    nplug_action_info(p->rig.nest, 1, action, &facts);
    return (uint32_t)facts.press_count - before;
}

static void open_play(play *p)
{
    nplug_game game = nplug_game_for_one("offers", p->defs, ACTIONS);

    memset(p, 0, sizeof *p);
    for (int a = 0; a < ACTIONS; a++) {
        static const char *const names[ACTIONS] = {"one", "two", "three", "four"};
        p->defs[a] = (nplug_action_def){names[a], NPLUG_ACTION_BUTTON,
                                        texts[(size_t)rand() % COUNT_OF(texts)], 0};
    }
    rig_open(&p->rig, &game, NULL);
    p->now = MS;
    for (int i = 0; i < DEVICES; i++)
        if (rand() % 3) plug(p, i);
    wait(p, 300 * MS);
}

/* Something changes by which offers change. */
static void change(play *p)
{
    static const char *const comforts[] = {"", "swap-confirm", "swap-sticks",
                                           "swap-confirm swap-sticks"};
    int i = rand() % DEVICES;

    switch (rand() % 4) {
    case 0:
        nplug_bind(p->rig.nest, 1, (uint32_t)rand() % ACTIONS,
                   rand() % 3 ? texts[(size_t)rand() % COUNT_OF(texts)] : NULL);
        break;
    case 1:
        nplug_set_comfort(p->rig.nest, 1, NPLUG_EVERY_ACTION, comforts[rand() % 4]);
        break;
    case 2:
        nplug_set_dominant(p->rig.nest, rand() % 2 ? NPLUG_KIND_HAND_LEFT : NPLUG_KIND_HAND_RIGHT);
        break;
    default:
        if (!p->here[i]) plug(p, i);
        break;
    }
    wait(p, 300 * MS);
}

TESTS(what_is_offered_works, 40)
{
    play *p = malloc(sizeof *p);
    unsigned done = 0;

    srand((unsigned)_i + 1);
    open_play(p);
    for (int n = 0; n < 60; n++) {
        uint32_t action = (uint32_t)rand() % ACTIONS;
        NPLUG_SIZED(nplug_offer, offer);
        if (rand() % 3 == 0) change(p);
        for (uint32_t i = 0; nplug_offer_info(p->rig.nest, 1, action, i, &offer) == NPLUG_OK; i++) {
            char name[64] = "";
            ck_assert_uint_eq(offer.binding.index, i);
            if (!offer.device) continue;
            ck_assert_int_ge(place_of(p, offer.device), 0);
            nplug_source_name(offer.binding.driving[0], name, sizeof name);
            if (!offer.serves) continue;
            ck_assert_msg(do_it(p, action, &offer) > 0, "%s of \"%s\" presses nothing", name,
                          nplug_bindings(p->rig.nest, 1, action));
            done++;
        }
        ck_assert_int_eq(nplug_offer_info(p->rig.nest, 1, action, 99, &offer), NPLUG_ERR_UNKNOWN);
    }
    ck_assert_uint_gt(done, 5);
    rig_close(&p->rig);
    free(p);
}

/* --- prompts -------------------------------------------------------------------------------------
 */

/* What a prompt says, as if it were an offer on a device. */
static nplug_offer as_offer(const nplug_prompt *prompt, nplug_device device)
{
    nplug_offer offer = {0};

    offer.device = device;
    offer.binding.gesture = prompt->gesture;
    offer.binding.taps = prompt->taps;
    offer.binding.wait_us = prompt->wait_us;
    for (uint32_t i = 0; i < prompt->count; i++) {
        nplug_source source = {prompt->parts[i].control, prompt->parts[i].way};
        if (prompt->parts[i].role == NPLUG_PROMPT_ROLE_HELD)
            offer.binding.held[offer.binding.held_count++] = source;
        else
            offer.binding.driving[offer.binding.driving_count++] = source;
    }
    return offer;
}

/* Whether anything that serves could be done on the active set. */
static bool could_be_done(const nplug_nest *nest, uint32_t action)
{
    NPLUG_SIZED(nplug_offer, offer);
    bool could = false;

    for (uint32_t i = 0; nplug_offer_info(nest, 1, action, i, &offer) == NPLUG_OK; i++)
        could |= offer.serves && offer.active;
    return could;
}

/* Whether a prompt is what one of the offers shows. */
static bool is_of_an_offer(const nplug_nest *nest, uint32_t action, const nplug_prompt *prompt)
{
    NPLUG_SIZED(nplug_offer, offer);
    NPLUG_SIZED(nplug_prompt, alone);
    bool is = false;

    for (uint32_t i = 0; nplug_offer_info(nest, 1, action, i, &offer) == NPLUG_OK; i++) {
        ck_assert_int_eq(nplug_offer_prompt(nest, &offer, &alone), NPLUG_OK);
        is |= memcmp(&alone, prompt, sizeof alone) == 0;
    }
    return is;
}

/* Somebody uses one of the devices. */
static void use(play *p)
{
    static const char *const controls[DEVICES] = {"start", "start",   "start",  "KeyZ",
                                                  "right", "trigger", "trigger"};
    int i = rand() % DEVICES;

    if (!p->here[i]) return;
    nplug_sim_press(p->rig.sim, p->now, name_of(i), controls[i], 20 * MS);
    wait(p, 2 * SECOND);
}

/* After whatever was used, picked or eased: a prompt is something that the player can do with what
 * they use, and doing it presses the action; nothing is shown only where nothing can be done. */
TESTS(what_is_shown_works, 40)
{
    play *p = malloc(sizeof *p);
    unsigned done = 0;

    srand((unsigned)_i + 1001);
    open_play(p);
    for (int n = 0; n < 80; n++) {
        uint32_t action = (uint32_t)rand() % ACTIONS;
        NPLUG_SIZED(nplug_prompt, prompt);
        NPLUG_SIZED(nplug_active_set, active);
        char text[200];
        if (rand() % 3 == 0) change(p);
        if (rand() % 2) use(p);
        nplug_active_info(p->rig.nest, 1, &active);
        ck_assert_int_eq(nplug_prompt_info(p->rig.nest, 1, action, &prompt), NPLUG_OK);
        if (!active.device) continue;
        ck_assert_int_eq(prompt.count > 0, could_be_done(p->rig.nest, action));
        ck_assert_int_eq(nplug_prompt_text(&prompt, false, text, sizeof text) > 0,
                         prompt.count > 0);
        if (prompt.count) {
            nplug_offer offer = as_offer(&prompt, active.device);
            ck_assert(is_of_an_offer(p->rig.nest, action, &prompt));
            ck_assert_msg(do_it(p, action, &offer) > 0, "\"%s\" presses nothing", text);
            done++;
        }
    }
    ck_assert_uint_gt(done, 5);
    rig_close(&p->rig);
    free(p);
}

/* What is kept is what a fresh question answers, after whatever happened; and what is told to have
 * changed shows something else. */
TESTS(what_is_kept_is_as_fresh_as_new, 30)
{
    play *p = malloc(sizeof *p);
    void *block = malloc(nplug_prompter_memory_needed(ACTIONS));
    nplug_prompter *kept =
        nplug_prompter_open(ACTIONS, block, nplug_prompter_memory_needed(ACTIONS));
    nplug_prompt before[ACTIONS] = {{0}};
    unsigned changes = 0;

    srand((unsigned)_i + 2001);
    open_play(p);
    for (uint32_t a = 0; a < ACTIONS; a++)
        ck_assert_int_eq(nplug_prompter_keep(kept, 1, a, NULL), NPLUG_OK);
    ck_assert_int_eq(nplug_prompter_keep(kept, 1, 0, NULL), NPLUG_ERR_FULL);
    ck_assert_ptr_null(nplug_prompter_at(kept, 0, NULL));
    for (int n = 0; n < 150; n++) {
        int i = rand() % DEVICES;
        uint32_t changed = 0, told;
        if (rand() % 3 == 0) change(p);
        if (rand() % 2) use(p);
        if (rand() % 8 == 0 && p->here[i]) {
            nplug_sim_unplug(p->rig.sim, p->now, name_of(i));
            p->here[i] = false;
            wait(p, 5 * MS);
        }
        if (rand() % 4 == 0) nplug_sim_press(p->rig.sim, p->now, name_of(3), "ShiftLeft", 40 * MS);
        wait(p, (nplug_time)(rand() % 20) * MS);
        told = nplug_prompter_step(kept, p->rig.nest);
        for (uint32_t a = 0; a < ACTIONS; a++) {
            NPLUG_SIZED(nplug_prompt, fresh);
            bool is;
            const nplug_prompt *prompt = nplug_prompter_at(kept, a, &is);
            nplug_prompt_info(p->rig.nest, 1, a, &fresh);
            ck_assert_ptr_nonnull(prompt);
            ck_assert_int_eq(memcmp(prompt, &fresh, sizeof fresh), 0);
            ck_assert(!is || memcmp(before[a].parts, prompt->parts, sizeof prompt->parts) != 0 ||
                      before[a].gesture != prompt->gesture || before[a].size == 0 ||
                      before[a].wait_us != prompt->wait_us || before[a].taps != prompt->taps);
            changed += is;
            before[a] = *prompt;
        }
        ck_assert_uint_eq(changed, told);
        changes += changed;
    }
    ck_assert_uint_gt(changes, 8);
    ck_assert_ptr_null(nplug_prompter_at(kept, ACTIONS, NULL));
    ck_assert_ptr_null(nplug_prompter_open(ACTIONS, block, 8));
    rig_close(&p->rig);
    free(block);
    free(p);
}

/* Layers decide what is shown: nothing of one that is off, and of the higher one that is on. */
TEST(what_is_off_takes_no_room)
{
    static const nplug_action_def two[] = {{"horn", NPLUG_ACTION_BUTTON, "pad:south", 0},
                                           {"confirm", NPLUG_ACTION_BUTTON, "pad:south", 1}};
    static const nplug_layer_def layers[] = {{"game", 0, true}, {"menu", 10, false}};
    nplug_game game = nplug_game_for_one("layers", two, 2);
    NPLUG_SIZED(nplug_prompt, prompt);
    test_rig rig;

    game.layers = layers;
    game.layer_count = 2;
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    rig_step(&rig, MS);
    for (uint32_t on = 0; on < 2; on++) {
        nplug_switch_layer(rig.nest, 1, 1, on != 0);
        rig_step(&rig, (2 + on) * MS);
        for (uint32_t a = 0; a < 2; a++) {
            nplug_prompt_info(rig.nest, 1, a, &prompt);
            ck_assert_uint_eq(prompt.count, a == on);
        }
    }
    rig_close(&rig);
}

/* A text that is cut is whole characters, and the beginning of the whole; its length is told. */
TESTS(a_text_is_cut_between_characters, 5)
{
    static const nplug_word turned[] = {
        {"chord", "{1} auf {0}", NULL},       {"hold", "{0} \xe2\x80\xa6", NULL},
        {"list", "{0}\xe2\x80\xa2{1}", NULL}, {"tap", "{0} tip", NULL},
        {"times", "{1} mal {0}", NULL},       {"twice", "{0} zweimal", NULL}};
    static const nplug_language own = {(uint32_t)sizeof own, 0, "x-own", turned,
                                       COUNT_OF(turned),     0, NULL};
    nplug_prompt prompt = {0};
    char whole[200], cut[200];

    prompt.gesture = _i % 2 ? NPLUG_GESTURE_HOLD : NPLUG_GESTURE_TAP;
    prompt.taps = (uint32_t)_i;
    prompt.count = 3;
    prompt.parts[0].role = NPLUG_PROMPT_ROLE_HELD;
    strcpy(prompt.parts[0].label, "\xd0\xaf");
    strcpy(prompt.parts[1].label, "left stick \xe2\x86\x91");
    strcpy(prompt.parts[2].label, "\xf0\x9f\x8e\xae");
    for (int w = 0; w < 2; w++) {
        size_t length;
        prompt.language = w ? &own : NULL;
        length = nplug_prompt_text(&prompt, false, whole, sizeof whole);
        ck_assert_uint_eq(length, strlen(whole));
        ck_assert_ptr_nonnull(strstr(whole, "left stick"));
        ck_assert_ptr_null(strchr(whole, '{'));
        for (size_t size = 1; size <= length + 1; size++) {
            memset(cut, 'x', sizeof cut);
            ck_assert_uint_eq(nplug_prompt_text(&prompt, false, cut, size), length);
            ck_assert_uint_lt(strlen(cut), size);
            ck_assert(strncmp(cut, whole, strlen(cut)) == 0);
            ck_assert(((unsigned char)whole[strlen(cut)] & 0xc0u) != 0x80u);
            ck_assert_int_eq(cut[size], 'x');
        }
    }
}

/* The runs in a row, a control by its label. */
static void join_runs(const nplug_run *runs, size_t count, char text[400])
{
    size_t at = 0;

    text[0] = 0;
    for (size_t i = 0; i < count; i++) {
        const char *piece = runs[i].text ? runs[i].text : runs[i].part.label;
        size_t length = runs[i].text ? runs[i].length : strlen(piece);
        ck_assert_uint_gt(length, 0);
        ck_assert_int_eq(runs[i].part.control == 0, runs[i].text != NULL);
        memcpy(text + at, piece, length);
        text[at += length] = 0;
    }
}

/* Whatever is bound: the runs of a sentence, read in order, are its text, in which each prompt
 * stands as it does alone; of a list without room the rest is counted; and where one action cannot
 * be done there is no sentence. */
TESTS(a_sentence_is_its_runs, 20)
{
    static const char wide[] = "pad:north taps=2 | key:ShiftLeft+key:KeyQ | mouse:right hold=200 | "
                               "hand:trigger press=0.9";
    play *p = malloc(sizeof *p);
    nplug_run runs[40], few[40];
    unsigned shown_ones = 0;

    srand((unsigned)_i + 3001);
    open_play(p);
    for (int n = 0; n < 60; n++) {
        NPLUG_SIZED(nplug_prompt, one);
        NPLUG_SIZED(nplug_prompt, two);
        char text[400], joined[400], first[150], second[150], expected[400];
        size_t count, room = (size_t)rand() % 4;
        if (n % 5 == 0) nplug_bind(p->rig.nest, 1, (uint32_t)(n / 5) % 2, wide);
        if (rand() % 3 == 0) change(p);
        if (rand() % 2) use(p);
        nplug_prompt_info(p->rig.nest, 1, 0, &one);
        nplug_prompt_info(p->rig.nest, 1, 1, &two);
        memset(runs, 'x', sizeof runs);
        count = nplug_sentence_runs(p->rig.nest, 1, "{{{two} or {one}, not {hrn}", NULL, runs, 40);
        ck_assert_uint_eq(count > 0, one.count && two.count);
        nplug_prompt_text(&one, false, first, sizeof first);
        nplug_prompt_text(&two, false, second, sizeof second);
        snprintf(expected, sizeof expected, "{%s or %s, not {hrn}", second, first);
        ck_assert_uint_eq(nplug_sentence_text(p->rig.nest, 1, "{{{two} or {one}, not {hrn}", false,
                                              NULL, text, sizeof text),
                          count ? strlen(expected) : 0);
        ck_assert_str_eq(text, count ? expected : "");
        join_runs(runs, count, joined);
        ck_assert_str_eq(joined, text);
        memset(few, 'x', sizeof few);
        ck_assert_uint_eq(nplug_prompt_runs(&one, few, room), nplug_prompt_runs(&one, runs, 40));
        ck_assert_int_eq(((char *)few)[room * sizeof *few], 'x');
        join_runs(runs, nplug_prompt_runs(&one, runs, 40), joined);
        ck_assert_str_eq(joined, first);
        shown_ones += count > 0;
    }
    ck_assert_uint_gt(shown_ones, 5);
    rig_close(&p->rig);
    free(p);
}

static const char *label_of_all(const nplug_prompt *prompt)
{
    static char texts_of[4][300];
    static int next;
    char *out = texts_of[next++ % 4];

    nplug_prompt_text(prompt, false, out, sizeof texts_of[0]);
    return out;
}

/* The same game, bound and made comfortable in the same way, for somebody who has one pad alone. */
static void open_alone(play *q, const play *p, int pad)
{
    nplug_game game = nplug_game_for_one("offers", q->defs, ACTIONS);

    memset(q, 0, sizeof *q);
    memcpy(q->defs, p->defs, sizeof q->defs);
    rig_open(&q->rig, &game, NULL);
    q->now = MS;
    plug(q, pad);
    for (uint32_t a = 0; a < ACTIONS; a++)
        nplug_bind(q->rig.nest, 1, a, nplug_bindings(p->rig.nest, 1, a));
    nplug_set_comfort(q->rig.nest, 1, NPLUG_EVERY_ACTION,
                      nplug_comfort(p->rig.nest, 1, NPLUG_EVERY_ACTION));
    wait(q, 300 * MS);
    nplug_sim_press(q->rig.sim, q->now, name_of(pad), "start", 20 * MS);
    wait(q, 300 * MS);
}

/* What is shown for a family, played on a pad of it or not, is what a player of just such a pad
 * would be shown; and so is what a player is shown whose prompts are pinned to the family, whatever
 * they use, as far as that can do the action. */
TESTS(a_family_is_shown_as_its_pad_would_be, 8)
{
    static const char *const families[] = {"quay-letters", "harbour-marks", "tide-letters"};
    play *p = malloc(sizeof *p), *q = malloc(sizeof *q);
    unsigned shown_ones = 0;

    srand((unsigned)_i + 4001);
    open_play(p);
    for (int n = 0; n < 40; n++) {
        int f = rand() % 3;
        nplug_following following = nplug_following_default();
        if (rand() % 2) change(p);
        if (rand() % 2) use(p);
        following.family = rand() % 2 ? families[f] : NULL;
        ck_assert_int_eq(nplug_follow(p->rig.nest, 1, &following), NPLUG_OK);
        wait(p, MS);
        open_alone(q, p, f);
        for (uint32_t a = 0; a < ACTIONS; a++) {
            NPLUG_SIZED(nplug_prompt, of_family);
            NPLUG_SIZED(nplug_prompt, alone);
            NPLUG_SIZED(nplug_prompt, pinned);
            nplug_prompt_info(q->rig.nest, 1, a, &alone);
            ck_assert_int_eq(nplug_family_prompt(p->rig.nest, 1, a, families[f], &of_family),
                             NPLUG_OK);
            ck_assert_str_eq(label_of_all(&of_family), label_of_all(&alone));
            nplug_prompt_info(p->rig.nest, 1, a, &pinned);
            if (following.family && alone.count)
                ck_assert_str_eq(label_of_all(&pinned), label_of_all(&alone));
            shown_ones += alone.count > 0;
        }
        rig_close(&q->rig);
    }
    ck_assert_uint_gt(shown_ones, 20);
    rig_close(&p->rig);
    free(p);
    free(q);
}

TEST(impossible_prompts_are_refused)
{
    nplug_game game = harbour_for(1);
    NPLUG_SIZED(nplug_prompt, prompt);
    char text[8] = "x";
    test_rig rig;

    rig_open(&rig, &game, NULL);
    ck_assert_int_eq(nplug_prompt_info(NULL, 1, 0, &prompt), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_prompt_info(rig.nest, 1, 0, NULL), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_prompt_info(rig.nest, 1, 77, &prompt), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_prompt_info(rig.nest, 77, 0, &prompt), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_prompt_info(rig.nest, 1, HORN, &prompt), NPLUG_OK);
    ck_assert_uint_eq(prompt.count, 1); /* nothing is here: by its names */
    ck_assert_str_eq(prompt.parts[0].label, "bottom button");
    ck_assert_int_eq(nplug_offer_prompt(rig.nest, NULL, &prompt), NPLUG_ERR_ARGUMENT);
    ck_assert_uint_eq(nplug_prompt_text(NULL, false, text, sizeof text), 0);
    ck_assert_str_eq(text, "");
    ck_assert_uint_eq(nplug_prompt_runs(NULL, NULL, 0), 0);
    ck_assert_uint_eq(nplug_sentence_runs(rig.nest, 1, NULL, NULL, NULL, 0), 0);
    ck_assert_uint_eq(nplug_sentence_text(rig.nest, 77, "{horn}", false, NULL, text, 8), 0);
    prompt.size = 12;
    ck_assert_int_eq(nplug_prompt_info(rig.nest, 1, 0, &prompt), NPLUG_ERR_SIZE);
    rig_close(&rig);
}

TEST(impossible_offers_are_refused)
{
    nplug_game game = harbour_for(1);
    NPLUG_SIZED(nplug_offer, offer);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    ck_assert_int_eq(nplug_offer_info(NULL, 1, 0, 0, &offer), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_offer_info(rig.nest, 1, 0, 0, NULL), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_offer_info(rig.nest, 99, 0, 0, &offer), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_offer_info(rig.nest, 1, 77, 0, &offer), NPLUG_ERR_UNKNOWN);
    offer.size = 3;
    ck_assert_int_eq(nplug_offer_info(rig.nest, 1, 0, 0, &offer), NPLUG_ERR_SIZE);
    rig_close(&rig);
}
