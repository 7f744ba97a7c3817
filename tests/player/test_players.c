/* Players: who joins, who hears what, who comes back. */
#include "story.h"
#include <string.h>

/* Two pads and a desk, seated by first use. */
static void open_two(test_rig *rig)
{
    nplug_game game = harbour_for(2);

    rig_open(rig, &game, NULL);
    nplug_sim_plug(rig->sim, 0, "pad-1", "heron");
    nplug_sim_plug(rig->sim, 1, "pad-2", "heron");
    nplug_sim_plug(rig->sim, 2, "keys", "turnstone");
    nplug_sim_plug(rig->sim, 3, "mouse", "stint");
    rig_step(rig, 1000);
}

static uint32_t players_of(const test_rig *rig, uint32_t place)
{
    NPLUG_SIZED(nplug_device_facts, info);

    nplug_device_info(rig->nest, nplug_device_at(rig->nest, place), &info);
    return info.players;
}

TEST(who_holds_the_join_button_keeps_nobody_out)
{
    static const nplug_action_def actions[] = {
        {"join", NPLUG_ACTION_BUTTON, "pad:start | key:Enter", 0},
        {"leave", NPLUG_ACTION_BUTTON, "pad:home", 0}};
    nplug_game game = nplug_game_for("quay", actions, COUNT_OF(actions), 1);
    nplug_event event;
    test_rig rig;

    game.seats = NPLUG_SEATS_BY_ACTION;
    game.join = "join";
    game.leave = "leave";
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad-1", "heron");
    nplug_sim_plug(rig.sim, 0, "pad-2", "heron");
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    nplug_sim_press(rig.sim, 10 * MS, "pad-1", "start", 10 * MS);
    nplug_sim_press(rig.sim, 30 * MS, "pad-2", "start", 0); /* the game is full */
    rig_step(&rig, 50 * MS);
    ck_assert_uint_eq(players_of(&rig, 0), 1);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_FULL, &event) && event.player == 0);
    ck_assert_uint_eq(event.device, nplug_device_at(rig.nest, 1));
    ck_assert_uint_eq(event.control, nplug_control_named("pad:start"));
    for (nplug_time time = SECOND; time <= 2 * SECOND; time += SECOND) {
        bool keys = time == 2 * SECOND; /* of another binding of the same action */
        nplug_sim_press(rig.sim, time, "pad-1", "home", 10 * MS);
        rig_step(&rig, time + 50 * MS);
        ck_assert(!nplug_player_seated(rig.nest, 1));
        nplug_sim_press(rig.sim, time + 100 * MS, keys ? "keys" : "pad-1", keys ? "Enter" : "start",
                        10 * MS);
        rig_step(&rig, time + 200 * MS);
        ck_assert(nplug_player_seated(rig.nest, 1));
        ck_assert_uint_eq(players_of(&rig, keys ? 2 : 0), 1);
    }
    rig_close(&rig);
}

TEST(hands_and_a_headset_join_as_one_and_so_do_levers_and_pedals)
{
    static const char *const models[] = {"osprey-left", "osprey-right", "osprey-headset"};
    nplug_game game = harbour_for(4);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    for (size_t i = 0; i < COUNT_OF(models); i++)
        nplug_sim_plug(rig.sim, 0, models[i], models[i]);
    nplug_sim_press(rig.sim, 10 * MS, "osprey-right", "lower", 5 * MS);
    rig_step(&rig, 20 * MS);
    for (uint32_t i = 0; i < COUNT_OF(models); i++)
        ck_assert_uint_eq(players_of(&rig, i), 1);
    nplug_sim_plug(rig.sim, 30 * MS, "levers", "godwit"); /* without a stick, they go together */
    nplug_sim_plug(rig.sim, 30 * MS, "pedals", "godwit");
    nplug_sim_press(rig.sim, 40 * MS, "levers", "button-1", 5 * MS);
    rig_step(&rig, 50 * MS);
    ck_assert(players_of(&rig, 3) == 2 && players_of(&rig, 4) == 2);
    rig_close(&rig);
}

/* Without focus pads may go on; what is held when it comes back is spent. */
TEST(focus_goes_by_kind)
{
    nplug_game game = harbour_for(1);
    hand_port port = {0};
    nplug_report focus = {0};
    test_rig rig;

    game.unfocused_kinds = 1u << NPLUG_KIND_PAD;
    rig_open(&rig, &game, NULL);
    ck_assert_int_eq(nplug_attach(rig.nest, &hand_table, &port), NPLUG_OK);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    nplug_sim_press(rig.sim, 10 * MS, "pad", "west", 0);
    nplug_sim_press(rig.sim, 10 * MS, "keys", "KeyH", 0);
    rig_step(&rig, 20 * MS);
    focus.kind = NPLUG_REPORT_FOCUS;
    focus.time = 30 * MS;
    nplug_push(port.ring, &focus, 1);
    nplug_sim_press(rig.sim, 40 * MS, "pad", "south", MS);
    rig_step(&rig, 60 * MS);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, HORN), 1); /* the pad's; the key's is cancelled */
    focus.data.value = 1;
    focus.time = 70 * MS;
    nplug_push(port.ring, &focus, 1);
    rig_step(&rig, 80 * MS);
    ck_assert(!nplug_held(rig.nest, 1, HORN));
    nplug_sim_release(rig.sim, 90 * MS, "keys", "KeyH");
    nplug_sim_press(rig.sim, 95 * MS, "keys", "KeyH", 0);
    rig_step(&rig, 99 * MS);
    ck_assert(nplug_held(rig.nest, 1, HORN));
    rig_close(&rig);
}

/* What a game may say wrong of seats and parts: each is refused, and the log says why. */
TEST(wrong_seats_and_parts_are_told)
{
    static const nplug_part_def twice[] = {{"a", "KeyW,KeyA"}, {"b", "KeyA"}};
    static const nplug_part_def none[] = {{"a", "KeyW,KeyOops"}};
    static const nplug_part_def keyless[] = {{"a", NULL}}, nameless[] = {{NULL, "KeyW"}};
    nplug_game games[7];
    test_rig rig;

    for (size_t i = 0; i < COUNT_OF(games); i++)
        games[i] = harbour_for(2);
    games[0].seats = NPLUG_SEATS_BY_ACTION;
    games[1].seats = NPLUG_SEATS_BY_ACTION;
    games[1].join = "steer"; /* no button */
    games[2].leave = "leaf";
    games[3].parts = twice;
    games[3].part_count = 2;
    games[4].parts = none;
    games[4].part_count = 1;
    games[5].parts = keyless;
    games[5].part_count = 1;
    games[6].parts = nameless;
    games[6].part_count = 1;
    for (size_t i = 0; i < COUNT_OF(games); i++) {
        rig_open(&rig, NULL, NULL);
        ck_assert_int_eq(nplug_use_game(rig.nest, &games[i]), NPLUG_ERR_ARGUMENT);
        ck_assert_ptr_nonnull(strstr(rig.log, "the game is wrong: "));
        rig_close(&rig);
    }
}

TEST(wrong_calls_are_errors)
{
    test_rig rig;

    open_two(&rig);
    ck_assert_int_eq(nplug_claim(rig.nest, nplug_device_at(rig.nest, 0), 0), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_claim(rig.nest, nplug_device_at(rig.nest, 0), 17), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_claim(rig.nest, 0, 1), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_claim(NULL, 0, 1), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_leave(rig.nest, 0), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_switch_layer(rig.nest, 1, 32, true), NPLUG_ERR_ARGUMENT);
    for (unsigned i = 0; i < limits_of(rig.nest).commands; i++)
        ck_assert_int_eq(nplug_leave(rig.nest, 1), NPLUG_OK);
    ck_assert_int_eq(nplug_leave(rig.nest, 1), NPLUG_ERR_FULL);
    ck_assert(!nplug_player_seated(rig.nest, 0) && !nplug_player_seated(rig.nest, 99));
    rig_close(&rig);
}

/* --- stories -----------------------------------------------------------------------------------
 */

static const told_story stories[] = {
    {"seats by arrival, sharing and swapping",
     "harbour; players 4; seats arrival; seat-kinds pad; plug mouse stint; 1 plug pad-1 heron; "
     "2 plug pad-2 dunlin; 10: hears #0 0 -; hears #1 0 1; hears #2 0 2; share #1 3; "
     "20 press pad-1 south; 30: held 1 horn; held 3 horn; lights pad-1 1; unclaim-for #1 3; "
     "40: hears #1 0 1; seated 3; swap 2 4; 50: saw swap; hears #2 0 4; not seated 2; seated 4; "
     "lights pad-2 4; share #2 3; 60: lights pad-2 3; swap 1 1 -> argument; swap 1 5 -> argument"},
    {"what the former one of a seat had set is kept until it is restored",
     "harbour; players 2; plug pad heron; 1 press pad start 1; 2: bind 1 horn = pad:west; "
     "comfort 1 horn = toggle; 3: leave 1; 4: not seated 1; 5 press pad start 1; 7: seated 1; "
     "rebound 1 horn; comforts 1 horn = toggle; leave 1; restore 1; 8 press pad start 1; 10: "
     "seated 1; "
     "not rebound 1 horn; comforts 1 horn =; 11 press pad south 1; 13: presses 1 horn 1"},
    {"the press that joined fires nothing until it is let go",
     "harbour; players 2; 0 plug pad-1 heron; 0.001 plug pad-2 heron; "
     "0.002 plug keys turnstone; 0.003 plug mouse stint; 1: has 0 4; 2 press pad-2 south 50; "
     "3: saw join player=1 control=pad:south; seated 1; not seated 2; not held any horn; "
     "60: releases any horn 0; 70 press pad-2 south 50; 80: presses 1 horn 1; presses 2 horn 0"},
    {"a desk joins as one and a stick does not join",
     "harbour; players 2; 0 plug pad-1 heron; 0.001 plug pad-2 heron; "
     "0.002 plug keys turnstone; 0.003 plug mouse stint; 1:; 2 sweep pad-1 stick-left 1 1 1; "
     "5: hears #0 0 -; 6 press mouse left 1; 7: hears #2 0 1; hears #3 0 1; "
     "8 plug mouse-2 stint; 9: hears #4 0 1"},
    {"a claim in the middle of a press spends it",
     "harbour; players 2; 0 plug pad-1 heron; 0.001 plug pad-2 heron; "
     "0.002 plug keys turnstone; 0.003 plug mouse stint; 1: let pad #0; "
     "2 press pad-1 start 0.1; 3 press pad-1 south 50; 3 sweep pad-1 trigger-right 1; "
     "5: held 1 horn; level 1 throttle 1; claim $pad 2; held 1 horn; 6: not held 1 horn; "
     "not held 2 horn; level 1 throttle 0; level 2 throttle 0; "
     "60 sweep pad-1 trigger-right 0; 61 sweep pad-1 trigger-right 1; "
     "62 press pad-1 south 50; 65: held 2 horn; level 2 throttle 1"},
    {"leaving yields all and frees the seat",
     "harbour; players 2; 0 plug pad-1 heron; 0.001 plug pad-2 heron; "
     "0.002 plug keys turnstone; 0.003 plug mouse stint; 1:; 2 press keys Escape 0.1; "
     "3 press keys KeyH; 5: has 1 2; leave 1; 6: saw release flags=cancelled; saw leave; "
     "not seated 1; has 1 0; 7 press pad-1 south 0.1; 8: seated 1"},
    {"in a game for one player 1 hears all",
     "harbour; seated 1; 0 plug keys turnstone; 1 press keys KeyH; 2 plug pad heron; "
     "3 press pad south; 5: presses 1 horn 1; 6 release keys KeyH; 7: held 1 horn; "
     "8 unplug pad; 9: not held 1 horn"},
    {"a seat by one action",
     "button horn = pad:south | pad:start; button join = pad:start hold=200 | pad:select; "
     "button leave = pad:home; players 2; seats action; joined-by join; left-by leave; "
     "0 plug pad-1 heron; 0 plug pad-2 heron; 10 press pad-1 south 10; 30 press pad-2 start; "
     "220: not seated 1; presses any horn 0; 231: seated 1; hears #1 0 1; not held 1 horn; "
     "300 release pad-2 start; 310 press pad-2 start 10; 330 press pad-1 select 10; "
     "400: presses 1 horn 1; seated 2; 500 press pad-2 home 10; 600: not seated 1; seated 2"},
    {"a full game says so",
     "harbour; players 2; seat-kinds pad; 0 plug a heron; 0 plug b heron; 0 plug c heron; "
     "0 plug keys turnstone; 1 press a start 1; 5 press b start 1; 10: not saw full; "
     "11 press keys KeyA 1; 20: not saw full; 21 press c south 1; 30: saw full device=#2"},
    {"a claim takes all of a desk and nobody elses",
     "harbour; players 3; 0 plug keys turnstone; 0 plug mouse stint; 1 press keys KeyA 1; "
     "10: hears #0 0 1; hears #1 0 1; claim #0 2; 20: hears #0 0 2; hears #1 0 2; share #1 3; "
     "claim #0 1; 30: hears #0 0 1; hears #1 0 2,3"},
    /* Whoever else hears a device goes on holding, whoever comes or goes meanwhile. */
    {"sharing and leaving are nobody elses",
     "harbour; players 3; 0 plug pad heron; 1 press pad start 1; 10 press pad south; "
     "20: let pad #0; share $pad 2; share $pad 3; 30: held 1 horn; not held 2 horn; "
     "40 release pad south; 50 press pad south; 60: held 1 horn; presses 1 horn 1; "
     "held 2 horn; presses 2 horn 1; held 3 horn; presses 3 horn 1; unclaim-for $pad 1; "
     "leave 2; 70: not held 1 horn; not held 2 horn; held 3 horn; releases 3 horn 0"},
    {"players share a keyboard",
     "harbour; players 4; part left KeyW,KeyA; part right KeyH,Space; 0 plug keys turnstone; "
     "1 press keys KeyQ 1; 5 press keys KeyA 1; 9 press keys KeyH 1; 20: let keys #0; "
     "hears $keys 1 1; hears $keys 2 2; hears $keys 0 1,2; 30 press keys KeyW; "
     "30 press keys KeyH; 40: vector 1 steer - 1; held 2 horn; vector 2 steer - 0; "
     "not held 1 horn; claim-part $keys 2 3; 50: vector 1 steer - 1; not held 2 horn; "
     "waits 2; not held 3 horn; claim-part $keys 3 1 -> argument"},
};

STORIES(stories)
