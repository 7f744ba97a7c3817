/* Gaps that ./dev mutate found in all other suites: limits that just fit, calls with odd arguments,
 * HID usages, two players' comfort, what comes and goes while something waits. */
#include "paper.h"
#include "story.h"
#include <stddef.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

enum { PULL, CALL, SWAY, ACTIONS };
static const nplug_action_def actions[ACTIONS] = {
    [PULL] = {"pull", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0},
    [CALL] = {"call", NPLUG_ACTION_BUTTON, "pad:south", 0},
    [SWAY] = {"sway", NPLUG_ACTION_VECTOR, "pad:stick-left", 0},
};

/* --- what is asked ---------------------------------------------------------------------------- */

/* An action past the end is nobody's, and not the next player's first one. */
TEST(an_action_past_the_last_is_none)
{
    nplug_game game = nplug_game_for("gaps", actions, ACTIONS, 2);
    nplug_limits limits = nplug_limits_default();
    nplug_command comfort = {.kind = NPLUG_COMMAND_COMFORT, .player = 1, .number = ACTIONS};
    uint64_t digest;
    test_rig rig;

    game.seats = NPLUG_SEATS_BY_ARRIVAL;
    limits.actions = ACTIONS;
    rig_open(&rig, &game, &limits);
    nplug_sim_plug(rig.sim, 0, "one", "heron");
    nplug_sim_plug(rig.sim, 0, "two", "heron");
    nplug_sim_sweep(rig.sim, MS, "two", "trigger-right", (nplug_vec2){1.0f, 0.0f}, 0);
    rig_step(&rig, 3 * MS);
    ck_assert_float_gt(nplug_level(rig.nest, 2, PULL), 0.9f);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, ACTIONS), 0);
    ck_assert_float_eq(nplug_level(rig.nest, 1, ACTIONS), 0.0f);
    ck_assert(strstr(rig.log, "an action that the game does not have: number 3") != NULL);
    ck_assert_str_eq(nplug_bindings(rig.nest, 1, ACTIONS), "");
    ck_assert(!nplug_is_rebound(rig.nest, 1, ACTIONS));
    ck_assert_int_eq(nplug_bind(rig.nest, 1, ACTIONS, "pad:east"), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_set_comfort(rig.nest, 1, ACTIONS, "toggle"), NPLUG_ERR_UNKNOWN);
    digest = nplug_digest(rig.nest);
    ck_assert_int_eq(nplug_post(rig.nest, &comfort), NPLUG_OK);
    rig_step(&rig, 3 * MS);
    ck_assert_float_gt(nplug_level(rig.nest, 2, PULL), 0.9f);
    (void)digest;
    rig_close(&rig);
}

/* How a nest was opened can be asked. */
TESTS(a_nest_tells_how_it_was_opened, 8)
{
    nplug_limits limits = nplug_limits_default();
    nplug_setup setup = nplug_setup_default();
    NPLUG_SIZED(nplug_nest_facts, facts);
    test_rig rig;

    setup.record_all_keys = _i & 1;
    setup.follow_rest = (_i & 2) != 0;
    limits.records = _i & 4 ? 64 : 0;
    setup.limits = &limits;
    rig_open_setup(&rig, NULL, setup);
    ck_assert_int_eq(nplug_nest_info(rig.nest, &facts), NPLUG_OK);
    ck_assert_int_eq(facts.record_all_keys, _i & 1);
    ck_assert_int_eq(facts.follow_rest, (_i & 2) != 0);
    ck_assert_int_eq(facts.recording, (_i & 4) != 0);
    ck_assert(!facts.started && facts.muted_kinds == 0);
    rig_step(&rig, 1);
    nplug_mute(rig.nest, 1u << NPLUG_KIND_PAD);
    rig_step(&rig, 2);
    nplug_nest_info(rig.nest, &facts);
    ck_assert(facts.started && facts.muted_kinds == 1u << NPLUG_KIND_PAD);
    ck_assert_uint_eq(facts.records != 0, (_i & 4) != 0);
    rig_close(&rig);
}

TEST(queries_of_nothing_are_neutral)
{
    nplug_game game = nplug_game_for_one("gaps", actions, ACTIONS);
    NPLUG_SIZED(nplug_device_facts, info);
    NPLUG_SIZED(nplug_calibration_facts, axis);
    nplug_pick pick = {.size = sizeof pick - 1, .player = NPLUG_EVERYONE};
    float numbers[7];
    test_rig rig;

    rig_open(&rig, &game, NULL);
    rig_step(&rig, MS);
    ck_assert_uint_eq(nplug_player_device_count(NULL, 1), 0);
    ck_assert_uint_eq(nplug_player_device_at(rig.nest, NPLUG_PLAYERS_MAX + 1, 0), 0);
    ck_assert_uint_eq(nplug_digest(NULL), 0);
    ck_assert_int_eq(nplug_nest_limits(NULL, NULL), NPLUG_ERR_ARGUMENT);
    ck_assert_uint_eq(nplug_player_device_count(rig.nest, NPLUG_PLAYERS_MAX + 1), 0);
    ck_assert_uint_eq(nplug_ring_room(NULL), 0);
    ck_assert_int_eq(nplug_device_info(NULL, 1, &info), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_device_info(rig.nest, 1, NULL), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_start_pick(rig.nest, &pick), NPLUG_ERR_SIZE);
    ck_assert_int_eq(nplug_calibration_info(rig.nest, 1, 0, &axis), NPLUG_ERR_UNKNOWN);
    for (unsigned i = 0; i < 7; i++)
        numbers[i] = 9.0f;
    ck_assert_int_ne(
        nplug_control_sensor(rig.nest, 1, NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_GYRO), numbers),
        NPLUG_OK);
    ck_assert_uint_eq(nplug_key_label(rig.nest, 1, NPLUG_CONTROL(NPLUG_CLASS_KEY, 4), NULL, 0), 0);
    rig_close(&rig);
}

/* --- limits that just fit ----------------------------------------------------------------------
 */

/* The least of one limit with which a game is taken; with one less it is refused as full. */
static uint32_t least(size_t limit, const nplug_action_def *defs, uint32_t count)
{
    nplug_game game = nplug_game_for_one("gaps", defs, count);

    for (uint32_t n = 1; n < 40; n++) {
        nplug_setup setup = nplug_setup_default();
        nplug_limits limits = nplug_limits_default();
        nplug_result result;
        void *block;
        nplug_nest *nest;
        size_t size;
        memcpy((char *)&limits + limit, &n, sizeof n);
        size = nplug_memory_needed(&limits);
        block = malloc(size);
        setup.limits = &limits;
        ck_assert_int_eq(nplug_open(&setup, block, size, &nest), NPLUG_OK);
        result = nplug_use_game(nest, &game);
        free(block);
        if (result == NPLUG_OK) return n;
        ck_assert_int_eq(result, NPLUG_ERR_FULL);
    }
    return 0;
}

TEST(a_game_needs_just_as_much_as_there_is_of_it)
{
    static const nplug_action_def defs[] = {
        {"a", NPLUG_ACTION_LEVEL,
         "key:KeyA rise=2 fall=3 | key:KeyB dead=0.2 | keys:KeyC,KeyD fall=1", 0},
        {"b", NPLUG_ACTION_BUTTON, "key:KeyA hold=200 | key:KeyE double-tap | key:KeyF+key:KeyA",
         0}};

    ck_assert_uint_eq(least(offsetof(nplug_limits, bindings), defs, 2), 6);
    ck_assert_uint_eq(least(offsetof(nplug_limits, sources), defs, 2), 6);
    ck_assert_uint_eq(least(offsetof(nplug_limits, shapings), defs, 2), 3);
    ck_assert_uint_eq(least(offsetof(nplug_limits, ramps), defs, 2), 3);
    ck_assert_uint_eq(least(offsetof(nplug_limits, gestures), defs, 2), 2);
    ck_assert_uint_eq(least(offsetof(nplug_limits, actions), defs, 2), 2);
}

/* Own texts share one room: what replaces a text may use that one's. */
TEST(an_own_text_has_the_room_of_the_one_before_it)
{
    nplug_limits limits = nplug_limits_default();
    nplug_game game = nplug_game_for_one("gaps", actions, ACTIONS);
    test_rig rig;

    limits.text = 3 + sizeof "pad:east";
    rig_open(&rig, &game, &limits);
    nplug_bind(rig.nest, 1, CALL, "pad:east");
    rig_step(&rig, MS);
    ck_assert(!rig_saw(&rig, NPLUG_EVENT_LIMIT, NULL));
    nplug_bind(rig.nest, 1, CALL, "pad:west");
    rig_step(&rig, 2 * MS);
    ck_assert_str_eq(nplug_bindings(rig.nest, 1, CALL), "pad:west");
    nplug_bind(rig.nest, 1, CALL, "pad:north");
    rig_step(&rig, 3 * MS);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_LIMIT, NULL));
    ck_assert_str_eq(nplug_bindings(rig.nest, 1, CALL), "pad:west");
    nplug_set_comfort(rig.nest, 1, CALL, "toggle");
    rig_step(&rig, 4 * MS);
    ck_assert_str_eq(nplug_comfort(rig.nest, 1, CALL), "");
    rig_close(&rig);
}

/* --- the game's digest -------------------------------------------------------------------------
 */

TEST(what_is_wrong_with_a_game_is_in_the_log)
{
    static const nplug_shaper nameless[] = {{"own", NULL, NULL}};
    static const nplug_action_def wrong[] = {{"haul", NPLUG_ACTION_BUTTON, "pad:nowhere", 0}};
    nplug_game game = nplug_game_for_one("gaps", actions, ACTIONS);
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    game.shapers = nameless;
    game.shaper_count = 1;
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_ERR_ARGUMENT);
    ck_assert(strstr(rig.log, "the game is wrong: shaper 0") != NULL);
    game = nplug_game_for_one("gaps", wrong, 1);
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_ERR_BINDING);
    ck_assert(strstr(rig.log, "action \"haul\", column 1: \"pad:nowhere\"") != NULL);
    /* A game that is sound is taken all the same. */
    game = nplug_game_for_one("gaps", actions, ACTIONS);
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_OK);
    rig_close(&rig);
}

/* --- bindings and comfort ----------------------------------------------------------------------
 */

/* Each player shapes each action otherwise: taking one back leaves all others. */
TEST(many_comforts_are_kept_each_for_itself)
{
    static const float zones[] = {0.05f, 0.10f, 0.15f, 0.20f, 0.25f, 0.30f};
    static const nplug_action_def defs[] = {{"a", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0},
                                            {"b", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0},
                                            {"c", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0},
                                            {"d", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0},
                                            {"e", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0},
                                            {"f", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0}};
    nplug_game game = nplug_game_for("gaps", defs, 6, 2);
    nplug_limits limits = nplug_limits_default();
    test_rig rig;
    char text[32];

    game.seats = NPLUG_SEATS_BY_ARRIVAL;
    limits.shapings = 12;
    limits.commands = 64;
    rig_open(&rig, &game, &limits);
    nplug_sim_plug(rig.sim, 0, "one", "heron");
    nplug_sim_plug(rig.sim, 0, "two", "heron");
    rig_step(&rig, MS);
    for (unsigned p = 1; p <= 2; p++)
        for (unsigned a = 0; a < 6; a++) {
            snprintf(text, sizeof text, "dead=%.2f", (double)zones[a] + (p == 2 ? 0.3 : 0.0));
            ck_assert_int_eq(nplug_set_comfort(rig.nest, p, a, text), NPLUG_OK);
        }
    nplug_sim_sweep(rig.sim, 2 * MS, "one", "trigger-right", (nplug_vec2){0.5f, 0.0f}, 0);
    nplug_sim_sweep(rig.sim, 2 * MS, "two", "trigger-right", (nplug_vec2){0.75f, 0.0f}, 0);
    rig_step(&rig, 4 * MS);
    ck_assert(!rig_saw(&rig, NPLUG_EVENT_LIMIT, NULL));
    /* There is no room for a thirteenth, and nothing is another one for that. */
    nplug_set_comfort(rig.nest, 1, NPLUG_EVERY_ACTION, "dead=0.9");
    rig_step(&rig, 5 * MS);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_LIMIT, NULL));
    for (unsigned back = 0; back < 6; back++) {
        for (unsigned p = 1; p <= 2; p++)
            for (unsigned a = 0; a < 6; a++) {
                float raw = p == 1 ? 0.5f : 0.75f, zone = zones[a] + (p == 2 ? 0.3f : 0.0f);
                float wanted = a < back ? raw : (raw - zone) / (1.0f - zone);
                ck_assert_float_eq_tol(nplug_level(rig.nest, p, a), wanted, 0.01f);
            }
        nplug_set_comfort(rig.nest, 1, back, "");
        nplug_set_comfort(rig.nest, 2, back, "");
        rig_step(&rig, (6 + back) * MS);
    }
    rig_close(&rig);
}

/* --- who is here --------------------------------------------------------------------------------
 */

/* What HID usages (HID Usage Tables: pages 1, 2, 7 and 9) and the kernel's codes tell.  Twenty of
 * the main block's keys make a keyboard. */
static const struct {
    nplug_device_kind kind;
    const char *signals;
} coded[] = {
    {NPLUG_KIND_STICK, "u1:30 axis 0..1023; u1:31 axis 0..1023; u2:bb axis 0..255; u9:1 button"},
    {NPLUG_KIND_STICK, "u2:ba axis 0..1023; u2:b0 axis 0..255; u9:1 button"},
    {NPLUG_KIND_WHEEL, "u2:c8 axis 0..1023; u2:c4 axis 0..255; u9:1 button"},
    {NPLUG_KIND_MOUSE, "u1:30 delta; u1:31 delta; u9:1 button; u9:2 button"},
    {NPLUG_KIND_TOUCH, "1:14a; 3:0 0..4095; 3:1 0..4095"},
    {NPLUG_KIND_UNKNOWN, "1:14a; 1:14b"},
    {NPLUG_KIND_UNKNOWN, "1:100; 1:101; 3:0 0..4095"},
    {NPLUG_KIND_TOUCH, "1:14a; 3:35 0..4095; 3:36 0..4095"},
    {NPLUG_KIND_WHEEL, "1:150; 1:151; 3:0 0..4095"},
    {NPLUG_KIND_STICK, "1:120; 3:0 0..1023; 3:6 0..255"},
    {NPLUG_KIND_STICK, "1:120; 3:0 0..1023; 3:7 0..255"},
    {NPLUG_KIND_WHEEL, "1:120; 3:0 0..1023; 3:8 0..255"},
    {NPLUG_KIND_STICK, "1:120; 3:0 0..1023; 3:6 0..9; 3:7 0..9; 3:8 0..9"},
    {NPLUG_KIND_MOUSE, "1:110; 2:0; 2:1"},
    {NPLUG_KIND_UNKNOWN, "1:110; 2:0"},
    {NPLUG_KIND_PAD, "1:130; 3:0 0..255; 3:1 0..255"},
    {NPLUG_KIND_KEYBOARD,
     "u7:4; u7:5; u7:6; u7:7; u7:8; u7:9; u7:a; u7:b; u7:c; u7:d; u7:e; u7:f; u7:10; "
     "u7:11; u7:12; u7:13; u7:14; u7:15; u7:16; u7:17; u7:18; u7:19; u7:1a; u7:1b; "
     "u7:1c; u7:1d; u7:1e; u7:1f; u7:20; u7:21; u7:22; u7:23; u7:24; u7:25; u7:26; "
     "u7:27; u7:28; u7:29; u7:2a; u7:2b"},
    {NPLUG_KIND_KEYBOARD,
     "1:57; 1:56; 1:55; 1:54; 1:53; 1:52; 1:51; 1:50; 1:4f; 1:4e; 1:4d; 1:4c; 1:4b; "
     "1:4a; 1:49; 1:48; 1:47; 1:46; 1:45; 1:44"},
    {NPLUG_KIND_UNKNOWN,
     "1:57; 1:56; 1:55; 1:54; 1:53; 1:52; 1:51; 1:50; 1:4f; 1:4e; 1:4d; 1:4c; 1:4b; "
     "1:4a; 1:49; 1:48; 1:47; 1:46; 1:45"},
};

TESTS(codes_tell_what_a_device_is, COUNT_OF(coded))
{
    paper_signal signals[40];
    uint16_t count = read_paper(coded[_i].signals, signals);
    paper_rig p;

    memset(&p, 0, sizeof p);
    open_paper(&p);
    ck_assert_uint_eq(look_paper(&p, plug_paper(&p, 3, 0xb12e, 0x7004, 1, signals, count)).kind,
                      coded[_i].kind);
    rig_close(&p.rig);
}

/* A third device that presses alone parts no pair of others; one that goes is no twin any more. */
TEST(duplicates_are_parted_by_their_own_presses_alone)
{
    NPLUG_SIZED(nplug_device_facts, info);
    nplug_game game = harbour_for(1);
    nplug_event event;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "a", "heron");
    nplug_sim_plug(rig.sim, 0, "b", "heron");
    nplug_sim_plug(rig.sim, 0, "c", "heron");
    for (nplug_time t = 1; t <= 8; t++) {
        nplug_sim_press(rig.sim, t * 100 * MS, "a", "south", 10 * MS);
        nplug_sim_press(rig.sim, t * 100 * MS + 5 * MS, "b", "south", 10 * MS);
        nplug_sim_press(rig.sim, t * 100 * MS + 50 * MS, "c", "east", 10 * MS);
    }
    rig_step(&rig, 900 * MS);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_DUPLICATE, &event));
    ck_assert_uint_eq(event.device, nplug_device_at(rig.nest, 1));
    ck_assert_uint_eq(event.other_device, nplug_device_at(rig.nest, 0));
    for (uint32_t i = 0; i < 3; i++) {
        nplug_device_info(rig.nest, nplug_device_at(rig.nest, i), &info);
        ck_assert_uint_eq(info.duplicate, i < 2 ? nplug_device_at(rig.nest, 1 - i) : 0);
    }
    /* Parted by a press of one alone, they are told again once they come together again. */
    nplug_sim_press(rig.sim, 1000 * MS, "a", "west", 10 * MS);
    nplug_sim_press(rig.sim, 1100 * MS, "c", "west", 10 * MS);
    rig_step(&rig, 1200 * MS);
    nplug_device_info(rig.nest, nplug_device_at(rig.nest, 0), &info);
    ck_assert_uint_eq(info.duplicate, 0);
    for (nplug_time t = 13; t <= 18; t++) {
        nplug_sim_press(rig.sim, t * 100 * MS, "a", "south", 10 * MS);
        nplug_sim_press(rig.sim, t * 100 * MS + 5 * MS, "b", "south", 10 * MS);
    }
    rig_step(&rig, 1900 * MS);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_DUPLICATE, NULL));
    nplug_sim_unplug(rig.sim, 1910 * MS, "c");
    rig_step(&rig, 1920 * MS);
    nplug_device_info(rig.nest, nplug_device_at(rig.nest, 0), &info);
    ck_assert_uint_ne(info.duplicate, 0);
    nplug_sim_unplug(rig.sim, 1930 * MS, "b");
    rig_step(&rig, 1940 * MS);
    nplug_device_info(rig.nest, nplug_device_at(rig.nest, 0), &info);
    ck_assert_uint_eq(info.duplicate, 0);
    rig_close(&rig);
}

/* --- to the microsecond -------------------------------------------------------------------------
 */

/* Of two ports that say something at one moment, the one that was attached first goes first. */
TESTS(ports_speak_in_the_order_in_which_they_were_attached, 2)
{
    nplug_game game = nplug_game_for("gaps", actions, ACTIONS, 2);
    hand_port one = {0}, other = {0};
    nplug_event first;
    test_rig rig;

    game.seats = NPLUG_SEATS_BY_ARRIVAL;
    rig_open(&rig, &game, NULL);
    nplug_attach(rig.nest, &hand_table, &one);
    nplug_attach(rig.nest, &hand_table, &other);
    push_heron(other.ring, 0, 1, NULL, NULL);
    push_heron(one.ring, 0, 1, NULL, NULL);
    rig_step(&rig, 10);
    for (uint64_t t = 1000; t < 9000; t += 1000) {
        nplug_report late = value_report(t, 1, 8, t / 1000 % 2, 0);
        nplug_push(other.ring, &late, 1);
        nplug_push(one.ring, &late, 1);
        rig_step(&rig, t + _i);
        ck_assert(rig_saw(&rig, t / 1000 % 2 ? NPLUG_EVENT_PRESS : NPLUG_EVENT_RELEASE, &first));
        ck_assert_uint_eq(first.player, 1);
        ck_assert_uint_eq(nplug_event_count(rig.nest), 2);
    }
    rig_close(&rig);
}

/* --- what is told -------------------------------------------------------------------------------
 */

/* Keys that the game does not bind are told apart in records as long as they are held; with the
 * keyboard, all are let go. */
TEST(hidden_keys_that_went_with_their_keyboard_hide_nothing_more)
{
    nplug_game game = nplug_game_for_one("gaps", actions, ACTIONS);
    nplug_limits limits = nplug_limits_default();
    nplug_record record;
    unsigned seen = 0;
    test_rig rig;

    limits.records = 4096;
    rig_open(&rig, &game, &limits);
    for (nplug_time round = 0; round < 12; round++) {
        nplug_sim_plug(rig.sim, round * 10 * MS, "keys", "turnstone");
        for (unsigned i = 0; i < 4; i++) {
            char key[8];
            snprintf(key, sizeof key, "Key%c", 'A' + (int)((4 * round + i) % 26));
            nplug_sim_press(rig.sim, (round * 10 + 1 + i) * MS, "keys", key, 0);
        }
        nplug_sim_unplug(rig.sim, (round * 10 + 6) * MS, "keys");
        rig_step(&rig, (round * 10 + 8) * MS);
    }
    while (nplug_take_records(rig.nest, &record, 1))
        if (record.kind == NPLUG_RECORD_REPORT && record.data.report.kind == NPLUG_REPORT_VALUE &&
            record.data.report.data.value == 1) {
            ck_assert_uint_ne(record.data.report.signal, UINT16_MAX);
            seen++;
        }
    ck_assert_uint_eq(seen, 48);
    rig_close(&rig);
}

/* A group that finds no room comes to nothing, and each device that it was of is asked again. */
TEST(all_devices_of_a_group_that_was_refused_are_stale)
{
    nplug_game game = nplug_game_for_one("gaps", actions, ACTIONS);
    nplug_limits limits = nplug_limits_default();
    hand_port port = {0};
    nplug_report report;
    test_rig rig;

    limits.ring_slots = 64;
    rig_open(&rig, &game, &limits);
    nplug_attach(rig.nest, &hand_table, &port);
    push_heron(port.ring, 0, 1, NULL, NULL);
    rig_step(&rig, 1);
    push_heron(port.ring, 2, 2, NULL, NULL);
    rig_step(&rig, 3);
    for (unsigned i = 0; nplug_ring_room(port.ring) > 1; i++) {
        report = value_report(10 + i, 1, 8, i % 2, 0);
        ck_assert_int_eq(nplug_push(port.ring, &report, 1), NPLUG_OK);
    }
    report = value_report(100, 2, 8, 1, NPLUG_REPORT_FLAG_MORE);
    nplug_push(port.ring, &report, 1);
    report = value_report(100, 1, 9, 1, 0);
    ck_assert_int_eq(nplug_push(port.ring, &report, 1), NPLUG_ERR_FULL);
    for (nplug_time t = 200; t < 206; t++) {
        report = value_report(t, 1, 9, 0, 0);
        rig_step(&rig, t);
        nplug_push(port.ring, &report, 1);
    }
    ck_assert_uint_eq(port.resyncs, 2);
    rig_close(&rig);
}

TEST(no_game_has_no_names)
{
    ck_assert_uint_eq(nplug_names_digest(NULL), 0);
}

/* --- stories -----------------------------------------------------------------------------------
 */

static const told_story stories[] = {
    {"who is asked for counts alone and all are the sum",
     "level pull = pad:trigger-right; button call = pad:south; vector sway = pad:stick-left; "
     "players 2; seats arrival; 0 plug one heron; 0 plug two heron; 1:; 2 press one south 1; "
     "2 press two south 1; 6 press two south 1; 8 sweep one stick-left -1; "
     "8 sweep two stick-left 1; 10: counted 1 call 1; counted 2 call 2; counted any call 3; "
     "presses 2 call 2; vector any sway -1"},
    {"a family of one letter is a family",
     "level pull = pad:trigger-right; button call = pad:south; vector sway = pad:stick-left; "
     "players 2; seats arrival; 0 plug one heron; 0 plug two heron; 1: follow 1 family=q; "
     "2: shown 1 q; pinned 1; not pinned 2"},
    {"a key that only falls slowly does so",
     "level glow = key:KeyA fall=1; 0 plug keys turnstone; 1 press keys KeyA 99; "
     "50: level 1 glow 1; 350: level 1 glow 0.75~0.001"},
    /* Comfort for one action lets go of that one alone; and says nothing of waits and rumble. */
    {"comfort for one action leaves all else",
     "button call = pad:south; button haul = pad:east; button long = pad:west hold=200; "
     "0 plug pad heron; 1 press pad south; 1 press pad east; 2: comfort 1 call = lasts=10; "
     "3: not held 1 call; held 1 haul; comfort 1 * = again=1; rumble #0 1.0 0.5 100; "
     "10 press pad west; 200: not held 1 haul; not held 1 long; 215: held 1 long; strong pad 1"},
    /* What a layer drops by going off is nobody's press: it names no control; and levers that
     * another layer keeps stay kept. */
    {"a layer that goes off drops its own alone",
     "layer helm 0 on; layer crane 0 on; button call = pad:south; "
     "level gain@crane = pad:trigger-right; rule gain stays; 0 plug pad heron; "
     "0 plug other heron; 1 press other south; 1 sweep pad trigger-right 1; 3:; 4 unplug pad; "
     "5: level 1 gain 1; switch any helm off; "
     "6: saw release control=- device=0 flags=cancelled; level 1 gain 1; "
     "switch any crane off; 7: level 1 gain 0"},
    {"a press again counts as soon as it may",
     "level pull = pad:trigger-right; button call = pad:south; vector sway = pad:stick-left; "
     "players 2; seats arrival; 0 plug one heron; 0 plug two heron; "
     "1: comfort 1 call = again=20; 10 press one south 10; 39.999 press one south 0.001; "
     "50 press one south 10; 80 press one south 10; 45: presses 1 call 1; "
     "79: presses 1 call 1; 90: presses 1 call 1"},
    {"what two players do is of no device",
     "level pull = pad:trigger-right; button call = pad:south; vector sway = pad:stick-left; "
     "players 2; seats arrival; 0 plug one heron; 0 plug two heron; 1: swap 1 2; "
     "2: saw swap device=0; leave 1; 3: saw leave device=0"},
    /* Of two actions, one at a time, where no other rule is said. */
    {"one of two is held where that is the only rule",
     "button call = pad:south; button haul = pad:east; rule call one-of=1; "
     "rule haul one-of=1; 0 plug pad heron; 1 press pad south; 2 press pad east; "
     "3: held 1 call; not held 1 haul"},
    /* What the game rebinds while it runs is let go for all who had it. */
    {"what the game rebinds is let go for each player",
     "level pull = pad:trigger-right; button call = pad:south; vector sway = pad:stick-left; "
     "players 2; seats arrival; 0 plug one heron; 0 plug two heron; "
     "1: bind 2 call = pad:west; 2 press one south; 2 press two west; 3: held 1 call; "
     "held 2 call; bind any call = pad:north; 4: not held 1 call; held 2 call; "
     "saw release player=1 flags=cancelled; bind 2 call; 5: not held 2 call; "
     "6 press two north; 7: held 2 call"},
    /* What an own binding takes from others goes with it to the other seat. */
    {"a swap takes along what an own binding covers",
     "layer helm 0 on; layer crane 5 on; button call = pad:south; "
     "button grab@crane = pad:west; players 2; seats arrival; 0 plug one heron; "
     "0 plug two heron; 1: bind 1 grab = pad:south; 2: swap 1 2; 3:; 4 press one south; "
     "4 press two south; 5: held 2 grab; not held 2 call; held 1 call; not held 1 grab"},
    {"a label that moves lets go",
     "button call = key-label:q; 0 plug keys turnstone; 1 press keys KeyQ; 2: held 1 call; "
     "3 layout azerty; 4: not held 1 call; saw release flags=cancelled; 5 press keys KeyA; "
     "6: held 1 call"},
    /* Each player's key rises for itself. */
    {"ramps are each player s own",
     "level haul = key:KeyA rise=2 | key:KeyB rise=4; level veer = key:KeyC rise=1 fall=1; "
     "players 2; seats call; part left KeyA,KeyC; part right KeyB; 0 plug keys turnstone; "
     "1: claim-part #0 1 1; claim-part #0 2 2; 10 press keys KeyA; 10 press keys KeyC; "
     "60 press keys KeyB; 110: level 1 haul 0.2~0.0001; level 2 haul 0.2~0.0001; "
     "level 1 veer 0.1~0.0001; level 2 veer 0; 160 release keys KeyC; "
     "210: level 1 veer 0.1~0.0001; level 1 haul 0.4~0.0001; level 2 haul 0.6~0.0001"},
};

STORIES(stories)
