/* What is spent: one rule, whatever spends it, for every sort of control. */
#include "support.h"
#include <string.h>

enum { TURN, HAUL, CALL, AIM, SCROLL, ACTIONS };
static const nplug_action_def actions[ACTIONS] = {
    [TURN] = {"turn", NPLUG_ACTION_VECTOR, "pad:stick-left", 0},
    [HAUL] = {"haul", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0},
    [CALL] = {"call", NPLUG_ACTION_BUTTON, "pad:south", 0},
    [AIM] = {"aim", NPLUG_ACTION_MOTION, "mouse:move", 0},
    [SCROLL] = {"scroll", NPLUG_ACTION_MOTION, "mouse:wheel", 0},
};

/* A pad and a mouse of player 1's, a keyboard, and a port by hand that tells of the focus. */
typedef struct deck {
    test_rig rig;
    hand_port port;
    nplug_time now;
} deck;

static void step(deck *deck, nplug_time more)
{
    deck->now += more;
    rig_step(&deck->rig, deck->now);
}

static void open_deck(deck *deck)
{
    nplug_game game = nplug_game_for("spent", actions, ACTIONS, 2);

    memset(deck, 0, sizeof *deck);
    rig_open(&deck->rig, &game, NULL);
    nplug_sim_plug(deck->rig.sim, 0, "pad", "heron");
    nplug_sim_plug(deck->rig.sim, 0, "mouse", "stint");
    nplug_sim_plug(deck->rig.sim, 0, "keys", "turnstone");
    ck_assert_int_eq(nplug_attach(deck->rig.nest, &hand_table, &deck->port), NPLUG_OK);
    step(deck, MS);
    for (uint32_t d = 0; d < 3; d++)
        nplug_claim(deck->rig.nest, nplug_device_at(deck->rig.nest, d), 1);
    step(deck, SECOND);
}

/* --- what spends ---------------------------------------------------------------------------- */

static void change_hands(deck *deck)
{
    nplug_claim(deck->rig.nest, nplug_device_at(deck->rig.nest, 0), 2);
    nplug_claim(deck->rig.nest, nplug_device_at(deck->rig.nest, 1), 2);
}

static void take_a_seat(deck *deck)
{
    nplug_leave(deck->rig.nest, 1);
    step(deck, MS);
    nplug_sim_press(deck->rig.sim, deck->now + 1, "pad", "select", MS);
    nplug_sim_press(deck->rig.sim, deck->now + 2, "mouse", "right", MS);
}

static void mute(deck *deck)
{
    nplug_mute(deck->rig.nest, 1u << NPLUG_KIND_PAD | 1u << NPLUG_KIND_MOUSE);
    step(deck, MS);
    nplug_mute(deck->rig.nest, 0);
}

static void set_focus(deck *deck, bool focused)
{
    nplug_report report = {0};

    report.time = deck->now;
    report.kind = NPLUG_REPORT_FOCUS;
    report.data.value = focused;
    nplug_push(deck->port.ring, &report, 1);
    step(deck, MS);
}

static void lose_focus(deck *deck)
{
    set_focus(deck, false);
    set_focus(deck, true);
}

/* One that takes all keyboards' keys, and what is used meanwhile of anything. */
static void pick(deck *deck)
{
    nplug_pick pick = nplug_pick_default();

    pick.threshold = 1.0f;
    nplug_start_pick(deck->rig.nest, &pick);
}

static void stop_picking(deck *deck)
{
    nplug_stop_pick(deck->rig.nest);
}

/* The keyboard is the active set; then a press on the pad, or on a mouse that is no desk's. */
static void only_switch(deck *deck)
{
    nplug_following following = nplug_following_default();

    following.only = true;
    nplug_follow(deck->rig.nest, 1, &following);
    nplug_sim_press(deck->rig.sim, deck->now + 1, "keys", "KeyQ", MS);
    step(deck, MS);
    nplug_sim_press(deck->rig.sim, deck->now + 1, "pad", "select", MS);
}

/* `before` as it is used, `after` while it goes on. */
static const struct way {
    void (*before)(deck *deck);
    void (*during)(deck *deck);
    bool mouse; /* a mouse is spent by it, too */
} ways[] = {
    {NULL, change_hands, true}, {NULL, take_a_seat, true},  {NULL, mute, true},
    {NULL, lose_focus, true},   {pick, stop_picking, true}, {NULL, only_switch, false},
};

/* --- controls --------------------------------------------------------------------------------- */

static void say(deck *deck, const char *on, uint32_t code, int32_t value)
{
    rig_say(&deck->rig, deck->now, on, code, value);
    step(deck, MS);
}

/* What anyone gets of an axis that goes there. */
static float axis(deck *deck, unsigned action, float to)
{
    if (action == TURN) say(deck, "pad", 3u << 16, (int32_t)(to * 32767.0f));
    if (action == HAUL) say(deck, "pad", 3u << 16 | 5, (int32_t)(to * 1023.0f));
    return nplug_level(deck->rig.nest, NPLUG_EVERYONE, action);
}

static void check_axis(const struct way *way, unsigned action)
{
    static const float on_its_way[] = {0.8f, 1.0f, 0.5f, 0.3f, 0.21f, 0.6f, 0.21f};
    deck deck;

    open_deck(&deck);
    if (way->before) way->before(&deck);
    step(&deck, MS);
    ck_assert(axis(&deck, action, 0.7f) > 0.6f || way->before);
    way->during(&deck);
    step(&deck, 2 * MS);
    for (size_t i = 0; i < COUNT_OF(on_its_way); i++)
        ck_assert_float_eq(axis(&deck, action, on_its_way[i]), 0.0f);
    ck_assert_float_eq_tol(axis(&deck, action, 0.19f), 0.19f, 0.01f);
    ck_assert_float_eq_tol(axis(&deck, action, 0.8f), 0.8f, 0.01f);
    rig_close(&deck.rig);
}

static void check_button(const struct way *way)
{
    deck deck;

    if (way->before) return; /* the press would answer it */
    open_deck(&deck);
    nplug_sim_press(deck.rig.sim, deck.now, "pad", "south", 0);
    step(&deck, MS);
    ck_assert(nplug_held(deck.rig.nest, 1, CALL));
    way->during(&deck);
    step(&deck, 2 * MS);
    ck_assert(!nplug_held(deck.rig.nest, NPLUG_EVERYONE, CALL));
    nplug_sim_release(deck.rig.sim, deck.now, "pad", "south");
    nplug_sim_press(deck.rig.sim, deck.now + MS, "pad", "south", 0);
    step(&deck, 2 * MS);
    ck_assert_uint_eq(nplug_presses(deck.rig.nest, NPLUG_EVERYONE, CALL), 1);
    rig_close(&deck.rig);
}

/* What anyone gets of a mouse, or of its wheel, that slides after so long a pause. */
static float slide(deck *deck, unsigned action, nplug_time pause)
{
    step(deck, pause - MS);
    say(deck, "mouse", 2u << 16 | (action == SCROLL ? 8u : 0u), 3);
    return action == SCROLL ? nplug_motion(deck->rig.nest, NPLUG_EVERYONE, action).y
                            : nplug_motion(deck->rig.nest, NPLUG_EVERYONE, action).x;
}

static void check_slide(const struct way *way, unsigned action)
{
    deck deck;

    if (!way->mouse || (way->before && action == SCROLL)) return; /* a notch would answer it */
    open_deck(&deck);
    if (way->before) way->before(&deck);
    step(&deck, MS);
    ck_assert(slide(&deck, action, 10 * MS) > 0.0f || way->before);
    way->during(&deck);
    step(&deck, 2 * MS);
    ck_assert_float_eq(slide(&deck, action, 5 * MS), 0.0f);
    for (unsigned i = 0; i < 5; i++)
        ck_assert_float_eq(slide(&deck, action, 99 * MS), 0.0f);
    ck_assert_float_eq(slide(&deck, action, 100 * MS), 3.0f);
    ck_assert_float_eq(slide(&deck, action, 5 * MS), 3.0f);
    rig_close(&deck.rig);
}

TESTS(what_is_spent_is_silent_until_it_has_been_at_rest, COUNT_OF(ways))
{
    check_axis(&ways[_i], TURN);
    check_axis(&ways[_i], HAUL);
    check_button(&ways[_i]);
    check_slide(&ways[_i], AIM);
    check_slide(&ways[_i], SCROLL);
}
