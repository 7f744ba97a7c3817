/* Bindings while the game runs: other ones for a player, conflicts, picking a control. */
#include "story.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static const nplug_action_def actions[] = {
    {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left dead=0.1 | keys:KeyW,KeyS,KeyA,KeyD", 0},
    {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyH hold=100", 0},
    {"winch", NPLUG_ACTION_BUTTON, "pad:west", 0},
    {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right | key:Space rise=2 fall=4", 0},
    {"bell", NPLUG_ACTION_BUTTON, "key:ShiftLeft+key:KeyH hold=100 | pad:south tap", 0},
    {"deck-bell", NPLUG_ACTION_BUTTON, "pad:south", 1},
};
enum { STEER_, HORN_, WINCH_, THROTTLE_, BELL_, DECK_BELL_ };
static const nplug_layer_def layers[] = {{"helm", 0, true}, {"deck", 5, false}};

static void open_bound(test_rig *rig, uint32_t players)
{
    nplug_game game = nplug_game_for("bind", actions, COUNT_OF(actions), players);

    if (players == 1) game.seats = NPLUG_SEATS_ONE;
    game.layers = layers;
    game.layer_count = COUNT_OF(layers);
    rig_open(rig, &game, NULL);
    nplug_sim_plug(rig->sim, 0, "pad", "heron");
    nplug_sim_plug(rig->sim, 0, "keys", "turnstone");
    rig_step(rig, 0);
}

/* --- other bindings ------------------------------------------------------------------------- */

TEST(what_is_wrong_with_a_binding_changes_nothing)
{
    nplug_limits limits = nplug_limits_default();
    nplug_game game = nplug_game_for_one("bind", actions, COUNT_OF(actions));
    char text[NPLUG_BINDINGS_SIZE + 10];
    test_rig rig;

    limits.bindings = 11;
    rig_open(&rig, &game, &limits);
    ck_assert_int_eq(nplug_bind(rig.nest, 1, HORN_, "pad:sauth"), NPLUG_ERR_BINDING);
    ck_assert_ptr_nonnull(strstr(rig.log, "did you mean pad:south?"));
    ck_assert_int_eq(nplug_bind(rig.nest, 2, HORN_, "pad:west"), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_bind(rig.nest, 1, 99, "pad:west"), NPLUG_ERR_UNKNOWN);
    memset(text, ' ', sizeof text);
    text[sizeof text - 1] = 0;
    ck_assert_int_eq(nplug_bind(rig.nest, 1, HORN_, text), NPLUG_ERR_SIZE);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    ck_assert_int_eq(nplug_bind(rig.nest, 1, HORN_, "pad:west | pad:north"), NPLUG_OK);
    rig_step(&rig, MS); /* ten bindings of the game's and two more: one too many */
    ck_assert(rig_saw(&rig, NPLUG_EVENT_LIMIT, NULL));
    ck_assert(!nplug_is_rebound(rig.nest, 1, HORN_));
    ck_assert_int_eq(nplug_bind(rig.nest, 1, HORN_, "pad:north"), NPLUG_OK);
    nplug_sim_press(rig.sim, 2 * MS, "pad", "north", MS);
    rig_step(&rig, 10 * MS);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, HORN_), 1);
    rig_close(&rig);
}

/* --- texts ---------------------------------------------------------------------------------- */

TEST(another_source_keeps_the_options)
{
    static const struct {
        const char *from, *source, *expected;
        uint32_t place;
    } rows[] = {
        {"pad:south | key:KeyH hold=100", "key:KeyJ", "pad:south | key:KeyJ hold=100", 1},
        {"pad:south | key:KeyH hold=100", "pad:east", "pad:east | key:KeyH hold=100", 0},
        {"pad:south | key:KeyH", "mouse:left", "pad:south | key:KeyH | mouse:left", 9},
        {"  pad:south  tap=3   dead=0.1 |key:KeyH", NULL, "key:KeyH", 0},
        {"pad:south  tap=3   dead=0.1 |key:KeyH", NULL, "pad:south tap=3   dead=0.1", 1},
        {"", "key:KeyA", "key:KeyA", 0},
        {NULL, "", "", 0},
    };
    nplug_source up = {nplug_control_named("pad:stick-left"), NPLUG_WAY_UP};
    char text[128];

    for (size_t i = 0; i < COUNT_OF(rows); i++) {
        size_t length =
            nplug_bindings_replace(rows[i].from, rows[i].place, rows[i].source, text, sizeof text);
        ck_assert_str_eq(text, rows[i].expected);
        ck_assert_uint_eq(length, strlen(rows[i].expected));
    }
    ck_assert_uint_eq(nplug_source_name(up, text, sizeof text), strlen("pad:stick-left.up"));
    ck_assert_str_eq(text, "pad:stick-left.up");
}

TEST(conflicts_are_told_before_anything_changes)
{
    static const struct {
        uint32_t action;
        const char *from;
        uint32_t count, other, place;
    } rows[] = {
        {WINCH_, "pad:south", 1, HORN_, 0},
        {WINCH_, "pad:south tap", 1, BELL_, 1},    /* a tap is told from a press */
        {WINCH_, "key:KeyH hold=50", 1, HORN_, 1}, /* the chord with Shift is another thing */
        {WINCH_, "key:ShiftLeft+key:KeyH hold=50", 1, BELL_, 0},
        {WINCH_, "pad:stick-left.up", 1, STEER_, 0},
        {WINCH_, "key:KeyD | pad:south", 2, STEER_, 1},
        {WINCH_, "pad:south observe", 0, 0, 0},
        {WINCH_, "pad:north", 0, 0, 0},
        {DECK_BELL_, "pad:west", 0, 0, 0}, /* another layer, of another priority */
    };
    nplug_conflict found[4];
    test_rig rig;

    open_bound(&rig, 1);
    for (size_t i = 0; i < COUNT_OF(rows); i++) {
        uint32_t count = nplug_conflicts(rig.nest, 1, rows[i].action, rows[i].from, found, 4);
        ck_assert_msg(count == rows[i].count, "%s: %u", rows[i].from, count);
        if (count == 0) continue;
        ck_assert_uint_eq(found[0].action, rows[i].other);
        ck_assert_uint_eq(found[0].index, rows[i].place);
    }
    /* where a key is printed with another letter, the letter is another key */
    ck_assert_uint_eq(nplug_conflicts(rig.nest, 1, WINCH_, "key-label:a", found, 4), 1);
    ck_assert_int_eq(nplug_sim_layout(rig.sim, MS, "azerty"), NPLUG_OK);
    rig_step(&rig, MS);
    ck_assert_uint_eq(nplug_conflicts(rig.nest, 1, WINCH_, "key-label:a", found, 4), 0);
    ck_assert_uint_eq(nplug_conflicts(rig.nest, 1, WINCH_, "key-label:q", found, 4), 1);
    ck_assert_uint_eq(found[0].action, STEER_);
    nplug_bind(rig.nest, 1, HORN_, "pad:north");
    rig_step(&rig, 2 * MS);
    ck_assert_uint_eq(nplug_conflicts(rig.nest, 1, WINCH_, "pad:south", found, 4), 0);
    ck_assert_uint_eq(nplug_conflicts(rig.nest, 1, WINCH_, "pad:north", NULL, 0), 1);
    rig_close(&rig);
}

/* --- picking -------------------------------------------------------------------------------- */

static nplug_pick pick_for(nplug_player player)
{
    nplug_pick pick = {.size = sizeof pick};
    pick.player = player;
    return pick;
}

TEST(a_pick_ends_by_its_control_by_time_by_call_and_asks_the_right_devices)
{
    nplug_pick pick = pick_for(1);
    nplug_event event;
    test_rig rig;

    open_bound(&rig, 1);
    pick.cancel = nplug_control_named("key:Escape");
    pick.wait_ms = 100;
    pick.kinds = 1u << NPLUG_KIND_KEYBOARD;
    pick.takes = true;
    nplug_start_pick(rig.nest, &pick);
    nplug_sim_press(rig.sim, 10 * MS, "pad", "south", 10 * MS);
    rig_step(&rig, 50 * MS);
    ck_assert_uint_eq(pick_of(rig.nest).left_us, 50 * MS);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, HORN_), 1); /* no keyboard: not taken */
    nplug_sim_press(rig.sim, 60 * MS, "keys", "Escape", 10 * MS);
    rig_step(&rig, 80 * MS);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_PICK, &event));
    ck_assert_uint_eq(event.flags, NPLUG_EVENT_FLAG_CANCELLED);
    nplug_start_pick(rig.nest, &pick);
    rig_step(&rig, 100 * MS);
    rig_step(&rig, 300 * MS);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_PICK, &event));
    ck_assert_uint_eq(event.flags, NPLUG_EVENT_FLAG_LATE);
    ck_assert_uint_eq(event.time, 180 * MS);
    nplug_start_pick(rig.nest, &pick);
    nplug_stop_pick(rig.nest);
    rig_step(&rig, 400 * MS);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_PICK, &event));
    ck_assert_uint_eq(event.flags, NPLUG_EVENT_FLAG_CANCELLED);
    ck_assert(!pick_of(rig.nest).waits);
    pick.threshold = 2.0f;
    ck_assert_int_eq(nplug_start_pick(rig.nest, &pick), NPLUG_ERR_ARGUMENT);
    rig_close(&rig);
}

/* --- comfort -------------------------------------------------------------------------------- */

/* Presses and releases of an action while keys and buttons go down and up as `moves` say: "+south",
 * "-south" a word, 20 ms apart, or a number of milliseconds to wait. */
static void play_words(test_rig *rig, nplug_time *now, const char *words)
{
    char word[32];
    int used;

    for (; sscanf(words, " %31s%n", word, &used) == 1; words += used) {
        const char *device = word[1] >= 'a' ? "pad" : "keys";
        if (word[0] == '+')
            nplug_sim_press(rig->sim, *now, device, word + 1, 0);
        else if (word[0] == '-')
            nplug_sim_release(rig->sim, *now, device, word + 1);
        *now += word[0] == '+' || word[0] == '-' ? 20 * MS : (nplug_time)atoi(word) * MS;
    }
}

static const struct {
    uint32_t action;
    const char *comfort, *every, *moves;
    unsigned presses;
    bool held;
} comforts[] = {
    {HORN_, "", "", "+south -south +south", 2, true},
    {HORN_, "toggle", "", "+south -south", 1, true},
    {HORN_, "toggle", "", "+south -south +south -south", 1, false},
    {HORN_, "", "toggle", "+south -south", 1, true},
    {HORN_, "lasts=50", "", "+south -south", 0, false},
    {HORN_, "lasts=50", "", "+south 40 -south", 1, false},
    {STEER_, "lasts=70", "", "+KeyW +KeyA -KeyW -KeyA 100", 0, false}, /* 60 ms */
    {STEER_, "lasts=70", "", "+KeyW +KeyA -KeyW 30 -KeyA 100", 1, false},
    {HORN_, "again=100", "", "+south -south +south -south 100 +south", 2, true},
    {HORN_, "again=1", "again=500", "+south -south +south", 2, true}, /* its own goes first */
    {HORN_, "", "slower=2", "+KeyH 120 -KeyH", 0, false},
    {HORN_, "", "slower=0.5", "+KeyH 60 -KeyH", 1, false},
    {BELL_, "", "", "+ShiftLeft -ShiftLeft +KeyH 200", 0, false},
    {BELL_, "", "sticky", "+ShiftLeft -ShiftLeft +KeyH 200", 1, true},
    {BELL_, "", "sticky", "+ShiftLeft -ShiftLeft +KeyH 200 -KeyH 50 +KeyH 200", 1, false},
    {BELL_, "", "sticky", "+ShiftLeft -ShiftLeft +ShiftLeft -ShiftLeft +KeyH 200", 0, false},
};

TESTS(players_have_their_comfort, COUNT_OF(comforts))
{
    NPLUG_SIZED(nplug_action_facts, state);
    nplug_time now = 10 * MS;
    test_rig rig;

    open_bound(&rig, 1);
    ck_assert_int_eq(nplug_set_comfort(rig.nest, 1, comforts[_i].action, comforts[_i].comfort),
                     NPLUG_OK);
    ck_assert_int_eq(nplug_set_comfort(rig.nest, 1, NPLUG_EVERY_ACTION, comforts[_i].every),
                     NPLUG_OK);
    play_words(&rig, &now, comforts[_i].moves);
    rig_step(&rig, now);
    nplug_action_info(rig.nest, 1, comforts[_i].action, &state);
    ck_assert_uint_eq(state.press_count, comforts[_i].presses);
    ck_assert_int_eq(state.held, comforts[_i].held);
    nplug_sim_unplug(rig.sim, now + MS, "pad"); /* leaving lets go, of what toggles too */
    nplug_sim_unplug(rig.sim, now + MS, "keys");
    rig_step(&rig, now + 2 * MS);
    ck_assert(!nplug_held(rig.nest, 1, comforts[_i].action));
    rig_close(&rig);
}

TEST(comfort_shapes_swaps_and_softens)
{
    nplug_vec2 right = {1.0f, 0.5f};
    nplug_effect effect;
    test_rig rig;

    open_bound(&rig, 1);
    nplug_set_comfort(rig.nest, 1, STEER_, "scale=0.5 invert=y");
    nplug_sim_sweep(rig.sim, MS, "pad", "stick-left", right, 0);
    rig_step(&rig, 10 * MS);
    ck_assert_float_eq_tol(nplug_vector(rig.nest, 1, STEER_).x, 0.5f, 0.01f);
    ck_assert_float_lt(nplug_vector(rig.nest, 1, STEER_).y, 0.0f);
    nplug_set_comfort(rig.nest, 1, STEER_, "");
    nplug_set_comfort(rig.nest, 1, NPLUG_EVERY_ACTION, "swap-sticks rumble=0");
    rig_step(&rig, 20 * MS);
    ck_assert_float_eq(nplug_vector(rig.nest, 1, STEER_).x, 0.0f);
    nplug_sim_sweep(rig.sim, 21 * MS, "pad", "stick-right", (nplug_vec2){-1.0f, 0.0f}, 0);
    rig_step(&rig, 30 * MS);
    ck_assert_float_eq(nplug_vector(rig.nest, 1, STEER_).x, -1.0f);
    ck_assert(!nplug_is_rebound(rig.nest, 1, STEER_)); /* it is no binding of their own */
    nplug_set_comfort(rig.nest, 1, NPLUG_EVERY_ACTION, "rumble=0.5");
    rig_step(&rig, 40 * MS);
    nplug_rumble(rig.nest, nplug_device_at(rig.nest, 0), 1.0f, 0.5f, 100);
    rig_step(&rig, 50 * MS);
    ck_assert_uint_eq(nplug_sim_effects(rig.sim, "pad", &effect), 1);
    ck_assert_float_eq_tol(effect.strong, 0.5f, 0.001f);
    ck_assert_float_eq_tol(effect.weak, 0.25f, 0.001f);
    ck_assert_float_gt(nplug_vector(rig.nest, 1, STEER_).x, 0.8f);
    ck_assert_int_eq(nplug_set_comfort(rig.nest, 1, HORN_, "sticky"), NPLUG_ERR_BINDING);
    ck_assert_int_eq(nplug_set_comfort(rig.nest, 1, HORN_, "hold=20"), NPLUG_ERR_BINDING);
    ck_assert_int_eq(nplug_set_comfort(rig.nest, 1, HORN_, "lasts=20000"), NPLUG_ERR_BINDING);
    ck_assert_int_eq(nplug_set_comfort(rig.nest, 1, HORN_, "togle"), NPLUG_ERR_BINDING);
    ck_assert_int_eq(nplug_set_comfort(rig.nest, 1, STEER_, "toggle"),
                     NPLUG_ERR_BINDING); /* no button */
    ck_assert_int_eq(nplug_set_comfort(rig.nest, 0, HORN_, "toggle"), NPLUG_ERR_ARGUMENT);
    rig_close(&rig);
}

/* --- the ready-made menu ---------------------------------------------------------------------- */

static const nplug_action_def with_menu[] = {
    {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:Enter", 0},
    {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left", 0},
    NPLUG_MENU_ACTIONS(1),
};
static const nplug_action_policy menu_rules[] = {NPLUG_MENU_RULES(2, 1)};
static const nplug_layer_def menu_layers[] = {{"helm", 0, true}, {"menu", 10, true}};

static void open_menu(test_rig *rig, const char *model)
{
    nplug_game game = nplug_game_for_one("menu", with_menu, COUNT_OF(with_menu));

    game.policies = menu_rules;
    game.policy_count = COUNT_OF(menu_rules);
    game.layers = menu_layers;
    game.layer_count = 2;
    rig_open(rig, &game, NULL);
    nplug_sim_plug(rig->sim, 0, "pad", model);
    nplug_sim_plug(rig->sim, 0, "keys", "turnstone");
    rig_step(rig, 0);
}

/* What a press of a button means on a pad, 0 to 8, or -1. */
static int want_of(test_rig *rig, nplug_time *now, const char *button)
{
    nplug_menu_press press = {NPLUG_MENU_WISH_RESTORE, 0, 0, 0};
    bool any;

    nplug_sim_press(rig->sim, *now + MS, "pad", button, 10 * MS);
    *now += 100 * MS;
    rig_step(rig, *now);
    any = nplug_menu_at(rig->nest, 2, 0, &press);
    ck_assert(!nplug_menu_at(rig->nest, 2, 1, &press));
    return any ? (int)press.wish : -1;
}

TEST(confirm_is_where_the_pads_family_has_it)
{
    nplug_time now = 0;
    test_rig rig;

    open_menu(&rig, "heron"); /* quay-letters: south confirms */
    ck_assert_int_eq(want_of(&rig, &now, "south"), NPLUG_MENU_WISH_CONFIRM);
    ck_assert_int_eq(want_of(&rig, &now, "east"), NPLUG_MENU_WISH_CANCEL);
    ck_assert_int_eq(want_of(&rig, &now, "west"), -1);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, 0), 0); /* the menu takes it from the horn */
    nplug_set_comfort(rig.nest, 1, NPLUG_EVERY_ACTION, "swap-confirm");
    rig_step(&rig, now);
    ck_assert_int_eq(want_of(&rig, &now, "south"), NPLUG_MENU_WISH_CANCEL);
    rig_close(&rig);
    now = 0;
    open_menu(&rig, "curlew"); /* tide-letters: east does */
    ck_assert_int_eq(want_of(&rig, &now, "east"), NPLUG_MENU_WISH_CONFIRM);
    ck_assert_int_eq(want_of(&rig, &now, "south"), NPLUG_MENU_WISH_CANCEL);
    rig_close(&rig);
}

TEST(a_menu_cannot_be_locked_out_of)
{
    nplug_menu_press press;
    test_rig rig;

    open_menu(&rig, "heron");
    ck_assert_int_eq(nplug_bind(rig.nest, 1, 2 + NPLUG_MENU_WISH_CONFIRM, ""), NPLUG_ERR_KEPT);
    ck_assert_ptr_nonnull(strstr(rig.log, "a binding must be left"));
    ck_assert_int_eq(nplug_bind(rig.nest, 1, 2 + NPLUG_MENU_WISH_RESTORE, "pad:west"),
                     NPLUG_ERR_KEPT);
    ck_assert_ptr_nonnull(strstr(rig.log, "players cannot change this"));
    ck_assert_int_eq(nplug_bind(rig.nest, 1, 2 + NPLUG_MENU_WISH_CONFIRM, "pad:north"), NPLUG_OK);
    nplug_set_comfort(rig.nest, 1, 0, "toggle");
    rig_step(&rig, MS);
    nplug_sim_press(rig.sim, 10 * MS, "pad", "start", 6 * SECOND);
    rig_step(&rig, 6 * SECOND);
    ck_assert(nplug_menu_at(rig.nest, 2, 0, &press));
    ck_assert_int_eq(press.wish, NPLUG_MENU_WISH_RESTORE);
    ck_assert_int_eq(nplug_restore(rig.nest, 1), NPLUG_OK);
    rig_step(&rig, 7 * SECOND);
    ck_assert(!nplug_is_rebound(rig.nest, 1, 2 + NPLUG_MENU_WISH_CONFIRM));
    ck_assert_str_eq(nplug_comfort(rig.nest, 1, 0), "");
    rig_close(&rig);
}

/* --- records ---------------------------------------------------------------------------------- */

/* Whatever is pressed, picked and bound, and whatever a trace hides of it, it replays as it was. */
TESTS(picks_and_bindings_replay, 20)
{
    static const char *const texts[] = {"key:KeyA", "pad:east | key:KeyB hold=20", NULL};
    static test_tape tape;
    nplug_game game = nplug_game_for_one("bind", actions, COUNT_OF(actions));
    nplug_limits limits = nplug_limits_for(&game);
    char key[] = "KeyA", text[64];
    test_rig rig;

    srand((unsigned)_i + 1);
    memset(&tape, 0, sizeof tape);
    limits.records = COUNT_OF(tape.records);
    rig_open(&rig, &game, &limits);
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    for (nplug_time now = 10 * MS; now < 1900 * MS; now += 10 * MS) {
        nplug_pick pick = pick_for(1);
        nplug_event event;
        key[3] = (char)('A' + rand() % 10);
        nplug_sim_press(rig.sim, now, "keys", key, (nplug_time)(1 + rand() % 40) * MS);
        if (rand() % 5 == 0) nplug_start_pick(rig.nest, &pick);
        if (rand() % 9 == 0) nplug_bind(rig.nest, 1, WINCH_, texts[rand() % 3]);
        rig_step(&rig, now);
        tape_note(&tape, rig.nest);
        if (!rig_saw(&rig, NPLUG_EVENT_PICK, &event) || event.flags) continue;
        nplug_control_name(event.control, text, sizeof text);
        nplug_bind(rig.nest, 1, HORN_, text);
    }
    rig_close(&rig);
    tape_check(&tape, &game);
}

/* --- stories -----------------------------------------------------------------------------------
 */

static const told_story stories[] = {
    {"other bindings act at the next step and restart nothing",
     "layer helm 0 on; layer deck 5 off; "
     "vector steer = pad:stick-left dead=0.1 | keys:KeyW,KeyS,KeyA,KeyD; "
     "button horn = pad:south | key:KeyH hold=100; button winch = pad:west; "
     "level throttle = pad:trigger-right | key:Space rise=2 fall=4; "
     "button bell = key:ShiftLeft+key:KeyH hold=100 | pad:south tap; "
     "button deck-bell@deck = pad:south; 0 plug pad heron; 0 plug keys turnstone; 0:; "
     "10 press pad south; 10 press pad west; 20: held 1 horn; held 1 winch; "
     "bind 1 horn = pad:west | key:KeyJ; not rebound 1 horn; 30: saw bound action=horn; "
     "saw release flags=cancelled; not held 1 horn; held 1 winch; "
     "bindings 1 horn = pad:west | key:KeyJ; 40 release pad west; 40 release pad south; "
     "50 press pad south 10; 70 press pad west 10; 90 press keys KeyJ 10; "
     "1000: presses 1 horn 2; bind 1 horn; 1100 press pad south 10; 2000: not rebound 1 horn; "
     "presses 1 horn 1"},
    {"one players bindings are not anothers",
     "layer helm 0 on; layer deck 5 off; "
     "vector steer = pad:stick-left dead=0.1 | keys:KeyW,KeyS,KeyA,KeyD; "
     "button horn = pad:south | key:KeyH hold=100; button winch = pad:west; "
     "level throttle = pad:trigger-right | key:Space rise=2 fall=4; "
     "button bell = key:ShiftLeft+key:KeyH hold=100 | pad:south tap; "
     "button deck-bell@deck = pad:south; players 2; 0 plug pad heron; 0 plug keys turnstone; "
     "0: claim #0 1; claim #1 2; bind 2 horn = key:KeyQ; 1:; 2 press pad south 10; "
     "2 press keys KeyQ 10; 20 press keys KeyH 200; 1000: presses 1 horn 1; presses 2 horn 1"},
    {"a muted kind is not heard for a while",
     "layer helm 0 on; layer deck 5 off; "
     "vector steer = pad:stick-left dead=0.1 | keys:KeyW,KeyS,KeyA,KeyD; "
     "button horn = pad:south | key:KeyH hold=100; button winch = pad:west; "
     "level throttle = pad:trigger-right | key:Space rise=2 fall=4; "
     "button bell = key:ShiftLeft+key:KeyH hold=100 | pad:south tap; "
     "button deck-bell@deck = pad:south; 0 plug pad heron; 0 plug keys turnstone; 0:; "
     "1 press pad south; 1 sweep pad stick-left 1; 10: mute pad; 11 press keys KeyH 150; "
     "11 press pad west; 200: presses 1 horn 1; not held 1 horn; not held 1 winch; "
     "vector 1 steer 0; mute; 300: not held 1 horn; 310 release pad south; "
     "330 press pad south; 400: held 1 horn"},
    /* Who changes seats takes along what they bound. */
    {"a swap takes bindings and comfort along",
     "harbour; players 4; 0 plug pad-1 heron; 0 plug pad-2 heron; 1 press pad-1 start 1; "
     "2 press pad-2 start 1; 10: bind 1 horn = pad:north; comfort 1 horn = toggle; "
     "20: swap 1 2; 30: rebound 2 horn; not rebound 1 horn; comforts 2 horn = toggle; "
     "40 press pad-1 north 1; 50 press pad-2 north 1; 60: held 2 horn; not held 1 horn; "
     "70 press pad-2 south; 80: held 1 horn"},
};

STORIES(stories)
