/* Players: who joins, who hears what, who comes back. */
#include "support.h"
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

TEST(the_press_that_joined_fires_nothing_until_it_is_let_go)
{
    nplug_event join;
    test_rig rig;

    open_two(&rig);
    ck_assert_uint_eq(nplug_player_device_count(rig.nest, NPLUG_NOBODY), 4);
    nplug_sim_press(rig.sim, 2000, "pad-2", "south", 50000);
    rig_step(&rig, 3000);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_JOIN, &join));
    ck_assert_uint_eq(join.player, 1);
    ck_assert_uint_eq(join.control, nplug_control_named("pad:south"));
    ck_assert(nplug_player_seated(rig.nest, 1) && !nplug_player_seated(rig.nest, 2));
    ck_assert(!nplug_held(rig.nest, NPLUG_EVERYONE, HORN));
    rig_step(&rig, 60000);
    ck_assert_uint_eq(nplug_releases(rig.nest, NPLUG_EVERYONE, HORN), 0);
    nplug_sim_press(rig.sim, 70000, "pad-2", "south", 50000);
    rig_step(&rig, 80000);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, HORN), 1);
    ck_assert_uint_eq(nplug_presses(rig.nest, 2, HORN), 0);
    rig_close(&rig);
}

TEST(a_desk_joins_as_one_and_a_stick_does_not_join)
{
    test_rig rig;

    open_two(&rig);
    nplug_sim_sweep(rig.sim, 2000, "pad-1", "stick-left", (nplug_vec2){1.0f, 1.0f}, 1000);
    rig_step(&rig, 5000);
    ck_assert_uint_eq(players_of(&rig, 0), 0);
    nplug_sim_press(rig.sim, 6000, "mouse", "left", 1000);
    rig_step(&rig, 7000);
    ck_assert_uint_eq(players_of(&rig, 2), 1);
    ck_assert_uint_eq(players_of(&rig, 3), 1);
    nplug_sim_plug(rig.sim, 8000, "mouse-2", "stint"); /* a second mouse belongs to the desk */
    rig_step(&rig, 9000);
    ck_assert_uint_eq(players_of(&rig, 4), 1);
    rig_close(&rig);
}

TEST(when_all_seats_are_taken_presses_are_anyones)
{
    test_rig rig;

    open_two(&rig);
    nplug_sim_press(rig.sim, 2000, "pad-1", "start", 100);
    nplug_sim_press(rig.sim, 3000, "pad-2", "start", 100);
    nplug_sim_press(rig.sim, 4000, "keys", "KeyH", 100);
    rig_step(&rig, 5000);
    ck_assert(nplug_player_seated(rig.nest, 1) && nplug_player_seated(rig.nest, 2));
    ck_assert_uint_eq(nplug_presses(rig.nest, NPLUG_EVERYONE, HORN), 1);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, HORN) + nplug_presses(rig.nest, 2, HORN), 0);
    rig_close(&rig);
}

TEST(a_claim_in_the_middle_of_a_press_spends_it)
{
    nplug_device pad;
    test_rig rig;

    open_two(&rig);
    pad = nplug_device_at(rig.nest, 0);
    nplug_sim_press(rig.sim, 2000, "pad-1", "start", 100);
    nplug_sim_press(rig.sim, 3000, "pad-1", "south", 50000);
    nplug_sim_sweep(rig.sim, 3000, "pad-1", "trigger-right", (nplug_vec2){1.0f, 0.0f}, 0);
    rig_step(&rig, 5000);
    ck_assert(nplug_held(rig.nest, 1, HORN));
    ck_assert_float_eq(nplug_level(rig.nest, 1, THROTTLE), 1.0f);
    ck_assert_int_eq(nplug_claim(rig.nest, pad, 2), NPLUG_OK);
    ck_assert(nplug_held(rig.nest, 1, HORN)); /* taken at the next step, not before */
    rig_step(&rig, 6000);
    ck_assert(!nplug_held(rig.nest, 1, HORN) && !nplug_held(rig.nest, 2, HORN));
    ck_assert_float_eq(nplug_level(rig.nest, 1, THROTTLE), 0.0f);
    ck_assert_float_eq(nplug_level(rig.nest, 2, THROTTLE), 0.0f);
    nplug_sim_sweep(rig.sim, 60000, "pad-1", "trigger-right", (nplug_vec2){0.0f, 0.0f}, 0);
    nplug_sim_sweep(rig.sim, 61000, "pad-1", "trigger-right", (nplug_vec2){1.0f, 0.0f}, 0);
    nplug_sim_press(rig.sim, 62000, "pad-1", "south", 50000);
    rig_step(&rig, 65000);
    ck_assert(nplug_held(rig.nest, 2, HORN));
    ck_assert_float_eq(nplug_level(rig.nest, 2, THROTTLE), 1.0f);
    rig_close(&rig);
}

TEST(leaving_yields_all_and_frees_the_seat)
{
    nplug_event event;
    test_rig rig;

    open_two(&rig);
    nplug_sim_press(rig.sim, 2000, "keys", "Escape", 100);
    nplug_sim_press(rig.sim, 3000, "keys", "KeyH", 0);
    rig_step(&rig, 5000);
    ck_assert_uint_eq(nplug_player_device_count(rig.nest, 1), 2);
    nplug_leave(rig.nest, 1);
    rig_step(&rig, 6000);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_RELEASE, &event));
    ck_assert_uint_eq(event.flags, NPLUG_EVENT_FLAG_CANCELLED);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_LEAVE, NULL));
    ck_assert(!nplug_player_seated(rig.nest, 1));
    ck_assert_uint_eq(nplug_player_device_count(rig.nest, 1), 0);
    nplug_sim_press(rig.sim, 7000, "pad-1", "south", 100); /* the seat is free for the next */
    rig_step(&rig, 8000);
    ck_assert(nplug_player_seated(rig.nest, 1));
    rig_close(&rig);
}

TEST(hardware_comes_back_to_its_player)
{
    nplug_move plug = {.kind = NPLUG_MOVE_ARRIVE, .on = "p", .what = "heron", .serial = "H-7"};
    nplug_event claim;
    test_rig rig;

    open_two(&rig);
    plug.time = 2000;
    nplug_sim_move(rig.sim, &plug);
    nplug_sim_press(rig.sim, 3000, "keys", "KeyA", 100);
    nplug_sim_press(rig.sim, 4000, "p", "south", 100);
    rig_step(&rig, 5000);
    nplug_sim_unplug(rig.sim, 6000, "p");
    rig_step(&rig, 7000);
    ck_assert(nplug_player_seated(rig.nest, 2)); /* waits */
    plug.time = 8000;
    plug.socket = "elsewhere";
    nplug_sim_move(rig.sim, &plug);
    rig_step(&rig, 9000);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_CLAIM, &claim));
    ck_assert_uint_eq(claim.player, 2);
    ck_assert_uint_eq(claim.flags, NPLUG_EVENT_FLAG_RETURNED);
    nplug_sim_unplug(rig.sim, 10000, "p"); /* who left misses nothing */
    rig_step(&rig, 11000);
    nplug_leave(rig.nest, 2);
    plug.time = 12000;
    nplug_sim_move(rig.sim, &plug);
    rig_step(&rig, 13000);
    ck_assert(!rig_saw(&rig, NPLUG_EVENT_CLAIM, NULL));
    rig_close(&rig);
}

TEST(in_a_game_for_one_player_1_hears_all)
{
    nplug_game game = harbour_for(1);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    ck_assert(nplug_player_seated(rig.nest, 1));
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    nplug_sim_press(rig.sim, 1000, "keys", "KeyH", 0);
    nplug_sim_plug(rig.sim, 2000, "pad", "heron");
    nplug_sim_press(rig.sim, 3000, "pad", "south", 0);
    rig_step(&rig, 5000);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, HORN), 1); /* held already: one press */
    nplug_sim_release(rig.sim, 6000, "keys", "KeyH");
    rig_step(&rig, 7000);
    ck_assert(nplug_held(rig.nest, 1, HORN));
    nplug_sim_unplug(rig.sim, 8000, "pad");
    rig_step(&rig, 9000);
    ck_assert(!nplug_held(rig.nest, 1, HORN));
    rig_close(&rig);
}

TEST(a_seat_by_one_action)
{
    static const nplug_action_def actions[] = {
        {"horn", NPLUG_ACTION_BUTTON, "pad:south | pad:start", 0},
        {"join", NPLUG_ACTION_BUTTON, "pad:start hold=200 | pad:select", 0},
        {"leave", NPLUG_ACTION_BUTTON, "pad:home", 0}};
    nplug_game game = nplug_game_for("quay", actions, COUNT_OF(actions), 2);
    test_rig rig;

    game.seats = NPLUG_SEATS_BY_ACTION;
    game.join = "join";
    game.leave = "leave";
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad-1", "heron");
    nplug_sim_plug(rig.sim, 0, "pad-2", "heron");
    nplug_sim_press(rig.sim, 10 * MS, "pad-1", "south", 10 * MS); /* no way in, and no horn */
    nplug_sim_press(rig.sim, 30 * MS, "pad-2", "start", 0);
    rig_step(&rig, 220 * MS);
    ck_assert(!nplug_player_seated(rig.nest, 1));
    ck_assert_uint_eq(nplug_presses(rig.nest, NPLUG_EVERYONE, 0), 0);
    rig_step(&rig, 231 * MS); /* held for long enough */
    ck_assert(nplug_player_seated(rig.nest, 1) && players_of(&rig, 1) == 1);
    ck_assert(!nplug_held(rig.nest, 1, 0)); /* and what joined is spent */
    nplug_sim_release(rig.sim, 300 * MS, "pad-2", "start");
    nplug_sim_press(rig.sim, 310 * MS, "pad-2", "start", 10 * MS);
    nplug_sim_press(rig.sim, 330 * MS, "pad-1", "select", 10 * MS);
    rig_step(&rig, 400 * MS);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, 0), 1);
    ck_assert(nplug_player_seated(rig.nest, 2));
    nplug_sim_press(rig.sim, 500 * MS, "pad-2", "home", 10 * MS);
    rig_step(&rig, 600 * MS);
    ck_assert(!nplug_player_seated(rig.nest, 1) &&
              nplug_player_seated(rig.nest, 2)); /* numbers stay */
    rig_close(&rig);
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

TEST(a_full_game_says_so)
{
    nplug_game game = harbour_for(2);
    nplug_event event;
    test_rig rig;

    game.seat_kinds = 1u << NPLUG_KIND_PAD;
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "a", "heron");
    nplug_sim_plug(rig.sim, 0, "b", "heron");
    nplug_sim_plug(rig.sim, 0, "c", "heron");
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    nplug_sim_press(rig.sim, 1 * MS, "a", "start", MS);
    nplug_sim_press(rig.sim, 5 * MS, "b", "start", MS);
    rig_step(&rig, 10 * MS);
    ck_assert(!rig_saw(&rig, NPLUG_EVENT_FULL, NULL));
    nplug_sim_press(rig.sim, 11 * MS, "keys", "KeyA", MS); /* could not take one anyway */
    rig_step(&rig, 20 * MS);
    ck_assert(!rig_saw(&rig, NPLUG_EVENT_FULL, NULL));
    nplug_sim_press(rig.sim, 21 * MS, "c", "south", MS);
    rig_step(&rig, 30 * MS);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_FULL, &event));
    ck_assert_uint_eq(event.device, nplug_device_at(rig.nest, 2));
    rig_close(&rig);
}

TEST(a_claim_takes_all_of_a_desk_and_nobody_elses)
{
    nplug_game game = harbour_for(3);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    nplug_sim_plug(rig.sim, 0, "mouse", "stint");
    nplug_sim_press(rig.sim, 1 * MS, "keys", "KeyA", MS);
    rig_step(&rig, 10 * MS);
    ck_assert(players_of(&rig, 0) == 1 && players_of(&rig, 1) == 1);
    nplug_claim(rig.nest, nplug_device_at(rig.nest, 0), 2);
    rig_step(&rig, 20 * MS);
    ck_assert(players_of(&rig, 0) == 2 && players_of(&rig, 1) == 2);
    nplug_share(rig.nest, nplug_device_at(rig.nest, 1), 3);
    nplug_claim(rig.nest, nplug_device_at(rig.nest, 0), 1);
    rig_step(&rig, 30 * MS); /* the mouse is the third one's, too */
    ck_assert(players_of(&rig, 0) == 1 && players_of(&rig, 1) == 6);
    rig_close(&rig);
}

/* Whoever else hears a device goes on holding, whoever comes or goes meanwhile. */
TEST(sharing_and_leaving_are_nobody_elses)
{
    nplug_game game = harbour_for(3);
    nplug_device pad;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_press(rig.sim, 1 * MS, "pad", "start", MS);
    nplug_sim_press(rig.sim, 10 * MS, "pad", "south", 0);
    rig_step(&rig, 20 * MS);
    pad = nplug_device_at(rig.nest, 0);
    nplug_share(rig.nest, pad, 2);
    nplug_share(rig.nest, pad, 3);
    rig_step(&rig, 30 * MS);
    ck_assert(nplug_held(rig.nest, 1, HORN) && !nplug_held(rig.nest, 2, HORN));
    nplug_sim_release(rig.sim, 40 * MS, "pad", "south");
    nplug_sim_press(rig.sim, 50 * MS, "pad", "south", 0);
    rig_step(&rig, 60 * MS);
    for (nplug_player p = 1; p <= 3; p++)
        ck_assert(nplug_held(rig.nest, p, HORN) && nplug_presses(rig.nest, p, HORN) == 1);
    nplug_unclaim_for(rig.nest, pad, 1);
    nplug_leave(rig.nest, 2);
    rig_step(&rig, 70 * MS);
    ck_assert(!nplug_held(rig.nest, 1, HORN) && !nplug_held(rig.nest, 2, HORN));
    ck_assert(nplug_held(rig.nest, 3, HORN) && nplug_releases(rig.nest, 3, HORN) == 0);
    rig_close(&rig);
}

TEST(players_share_a_keyboard)
{
    static const nplug_part_def parts[] = {{"left", "KeyW,KeyA"}, {"right", "KeyH,Space"}};
    nplug_game game = harbour_for(4);
    nplug_device keys;
    test_rig rig;

    game.parts = parts;
    game.part_count = COUNT_OF(parts);
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    nplug_sim_press(rig.sim, 1 * MS, "keys", "KeyQ", MS); /* nobody's */
    nplug_sim_press(rig.sim, 5 * MS, "keys", "KeyA", MS);
    nplug_sim_press(rig.sim, 9 * MS, "keys", "KeyH", MS);
    rig_step(&rig, 20 * MS);
    keys = nplug_device_at(rig.nest, 0);
    ck_assert_uint_eq(nplug_part_players(rig.nest, keys, 1), 1);
    ck_assert_uint_eq(nplug_part_players(rig.nest, keys, 2), 2);
    ck_assert_uint_eq(nplug_part_players(rig.nest, keys, 0), 3);
    nplug_sim_press(rig.sim, 30 * MS, "keys", "KeyW", 0);
    nplug_sim_press(rig.sim, 30 * MS, "keys", "KeyH", 0);
    rig_step(&rig, 40 * MS);
    ck_assert(nplug_vector(rig.nest, 1, STEER).y == 1.0f && nplug_held(rig.nest, 2, HORN));
    ck_assert(nplug_vector(rig.nest, 2, STEER).y == 0.0f && !nplug_held(rig.nest, 1, HORN));
    ck_assert_int_eq(nplug_claim_part(rig.nest, keys, 2, 3), NPLUG_OK);
    rig_step(&rig, 50 * MS); /* one half changes hands: the other is not disturbed */
    ck_assert(nplug_vector(rig.nest, 1, STEER).y == 1.0f && !nplug_held(rig.nest, 2, HORN));
    ck_assert(nplug_player_waits(rig.nest, 2) && !nplug_held(rig.nest, 3, HORN));
    ck_assert_int_eq(nplug_claim_part(rig.nest, keys, 3, 1), NPLUG_ERR_ARGUMENT);
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

TEST(seats_by_arrival_sharing_and_swapping)
{
    nplug_game game = harbour_for(4);
    nplug_effect lights;
    nplug_device pad;
    test_rig rig;

    game.seats = NPLUG_SEATS_BY_ARRIVAL;
    game.seat_kinds = 1u << NPLUG_KIND_PAD;
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "mouse", "stint"); /* of no kind that has a seat */
    nplug_sim_plug(rig.sim, 1 * MS, "pad-1", "heron");
    nplug_sim_plug(rig.sim, 2 * MS, "pad-2", "dunlin");
    rig_step(&rig, 10 * MS);
    ck_assert(players_of(&rig, 0) == 0 && players_of(&rig, 1) == 1 && players_of(&rig, 2) == 2);
    pad = nplug_device_at(rig.nest, 1);
    nplug_share(rig.nest, pad, 3); /* a helper, or two characters */
    nplug_sim_press(rig.sim, 20 * MS, "pad-1", "south", 0);
    rig_step(&rig, 30 * MS);
    ck_assert(nplug_held(rig.nest, 1, HORN) && nplug_held(rig.nest, 3, HORN));
    nplug_unclaim_for(rig.nest, pad, 3);
    rig_step(&rig, 40 * MS);
    ck_assert(players_of(&rig, 1) == 1 && nplug_player_seated(rig.nest, 3));
    ck_assert_int_eq(nplug_swap(rig.nest, 2, 4), NPLUG_OK); /* to a free seat */
    rig_step(&rig, 50 * MS);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_SWAP, NULL));
    ck_assert(players_of(&rig, 2) == 8 && !nplug_player_seated(rig.nest, 2) &&
              nplug_player_seated(rig.nest, 4));
    ck_assert_uint_ge(nplug_sim_effects(rig.sim, "pad-2", &lights), 1);
    ck_assert(lights.kind == NPLUG_EFFECT_LIGHTS && lights.player == 4);
    ck_assert_int_eq(nplug_swap(rig.nest, 1, 1), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_swap(rig.nest, 1, 5), NPLUG_ERR_ARGUMENT);
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
    nplug_game games[5];
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
