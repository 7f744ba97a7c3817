/* Hot-plug: who waits, who comes back as whom, and what a moment's absence is. */
#include "story.h"
#include <stdio.h>
#include <string.h>

static nplug_game four_seats(void)
{
    return harbour_for(4);
}

/* Plugs a pad in, by model, serial number and socket (NULL for none). */
static void plug(test_rig *rig, nplug_time time, const char *name, const char *model,
                 const char *serial, const char *socket)
{
    nplug_move move = {.kind = NPLUG_MOVE_ARRIVE,
                       .time = time,
                       .on = name,
                       .what = model,
                       .serial = serial,
                       .socket = socket};
    ck_assert_int_eq(nplug_sim_move(rig->sim, &move), NPLUG_OK);
}

/* Two pads, each of them a player's: player 1 has "a", player 2 has "b". */
static void seat_two(test_rig *rig, const nplug_game *game, const char *serials[2],
                     const char *sockets[2])
{
    rig_open(rig, game, NULL);
    plug(rig, 0, "a", "heron", serials[0], sockets[0]);
    plug(rig, 0, "b", "heron", serials[1], sockets[1]);
    nplug_sim_press(rig->sim, 1 * MS, "a", "start", MS);
    nplug_sim_press(rig->sim, 2 * MS, "b", "start", MS);
    rig_step(rig, 10 * MS);
    ck_assert(nplug_player_seated(rig->nest, 1) && nplug_player_seated(rig->nest, 2));
}

/* Whose a device is, by its place. */
static uint32_t players_at(const test_rig *rig, uint32_t place)
{
    return nplug_part_players(rig->nest, nplug_device_at(rig->nest, place), 0);
}

/* Who comes back as whom: what was there (two pads of two players, both lost), what comes, and
 * whose it is then (0: nobody's). */
static const struct {
    const char *serials[2], *sockets[2];
    bool both; /* both were lost, or "a" only */
    const char *model, *serial, *socket;
    uint32_t players; /* bits */
} comings[] = {
    /* by serial number, wherever it is plugged in, and in whatever mode it is */
    {{"H-1", "H-2"}, {"1", "2"}, true, "heron", "H-2", "1", 2},
    {{"H-1", "H-2"}, {"1", "2"}, true, "whimbrel", "H-1", "9", 1},
    {{"H-1", "H-2"}, {"1", "2"}, false, "heron", "H-1", "2", 1},
    /* another number is another pad, even in the same socket */
    {{"H-1", "H-2"}, {"1", "2"}, false, "heron", "H-3", "1", 0},
    /* a number that somebody else here has tells nothing: the socket does */
    {{"00", "00"}, {"1", "2"}, true, "heron", "00", "2", 2},
    {{"00", "00"}, {"1", "2"}, false, "heron", "00", "1", 1},
    /* without numbers: by socket; swapped sockets cannot be told */
    {{NULL, NULL}, {"1", "2"}, true, "heron", NULL, "2", 2},
    {{NULL, NULL}, {"1", "2"}, true, "heron", NULL, "1", 1},
    {{NULL, NULL}, {"1", "2"}, true, "heron", NULL, "3", 0},
    {{NULL, NULL}, {"1", "2"}, true, "whimbrel", NULL, "2", 0},
    /* with nothing: to the only one who waits for the like; of two, neither is guessed */
    {{NULL, NULL}, {NULL, NULL}, false, "heron", NULL, NULL, 1},
    {{NULL, NULL}, {"1", "2"}, false, "heron", NULL, "5", 1},
    {{NULL, NULL}, {NULL, NULL}, false, "whimbrel", NULL, NULL, 0},
    {{NULL, NULL}, {NULL, NULL}, true, "heron", NULL, NULL, 0},
};

TESTS(the_same_unit_goes_to_its_player, COUNT_OF(comings))
{
    const char *serials[2] = {comings[_i].serials[0], comings[_i].serials[1]};
    const char *sockets[2] = {comings[_i].sockets[0], comings[_i].sockets[1]};
    nplug_game game = four_seats();
    nplug_event event;
    test_rig rig;

    seat_two(&rig, &game, serials, sockets);
    nplug_sim_unplug(rig.sim, 20 * MS, "a");
    if (comings[_i].both) nplug_sim_unplug(rig.sim, 30 * MS, "b");
    plug(&rig, 40 * MS, "it", comings[_i].model, comings[_i].serial, comings[_i].socket);
    rig_step(&rig, 50 * MS);
    ck_assert_uint_eq(players_at(&rig, comings[_i].both ? 0 : 1), comings[_i].players);
    ck_assert_int_eq(rig_saw(&rig, NPLUG_EVENT_CLAIM, &event), comings[_i].players != 0);
    if (comings[_i].players) ck_assert_uint_eq(event.flags, NPLUG_EVENT_FLAG_RETURNED);
    /* The first press decides what could not be told: who has waited longest gets it. */
    nplug_sim_press(rig.sim, 60 * MS, "it", "start", MS);
    rig_step(&rig, 70 * MS);
    ck_assert_uint_eq(players_at(&rig, comings[_i].both ? 0 : 1),
                      comings[_i].players ? comings[_i].players : 1);
    rig_close(&rig);
}

TESTS(a_hub_that_loses_four_pads_gives_them_back_in_any_order, 3)
{
    static const unsigned orders[][4] = {{3, 2, 1, 0}, {1, 3, 0, 2}, {2, 0, 3, 1}};
    nplug_game game = four_seats();
    char names[4][8], sockets[4][8], again[4][8];
    test_rig rig;

    rig_open(&rig, &game, NULL);
    for (unsigned i = 0; i < 4; i++) {
        snprintf(names[i], sizeof names[i], "pad-%u", i);
        snprintf(again[i], sizeof again[i], "new-%u", i);
        snprintf(sockets[i], sizeof sockets[i], "hub.%u", i);
        plug(&rig, 0, names[i], "dunlin", NULL, sockets[i]);
        nplug_sim_press(rig.sim, (1 + i) * MS, names[i], "start", MS);
    }
    rig_step(&rig, 10 * MS);
    for (unsigned i = 0; i < 4; i++)
        nplug_sim_unplug(rig.sim, 20 * MS, names[i]);
    for (unsigned i = 0; i < 4; i++)
        plug(&rig, 30 * MS, again[orders[_i][i]], "dunlin", NULL, sockets[orders[_i][i]]);
    rig_step(&rig, 40 * MS);
    for (unsigned i = 0; i < 4; i++)
        ck_assert_uint_eq(players_at(&rig, i), 1u << orders[_i][i]);
    for (nplug_player p = 1; p <= 4; p++)
        ck_assert(!nplug_player_waits(rig.nest, p) && nplug_missed_at(rig.nest, p, 0) == 0);
    rig_close(&rig);
}

TEST(batteries_are_told_and_low_ones_before_they_die)
{
    static const struct {
        float level;
        bool news;
        uint16_t flags;
    } levels[] = {{0.8f, true, 0},
                  {0.8f, false, 0},
                  {0.16f, true, 0},
                  {0.15f, true, NPLUG_EVENT_FLAG_LOW},
                  {0.05f, true, NPLUG_EVENT_FLAG_LOW}};
    NPLUG_SIZED(nplug_device_facts, info);
    nplug_game game = harbour_for(1);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    rig_step(&rig, 1000);
    nplug_device_info(rig.nest, nplug_device_at(rig.nest, 0), &info);
    ck_assert_int_eq(info.battery_percent, -1);
    for (size_t i = 0; i < COUNT_OF(levels); i++) {
        nplug_move move = {.kind = NPLUG_MOVE_BATTERY, .on = "pad", .x = levels[i].level};
        nplug_event event;
        move.time = (i + 2) * 1000;
        nplug_sim_move(rig.sim, &move);
        rig_step(&rig, move.time);
        ck_assert_int_eq(rig_saw(&rig, NPLUG_EVENT_BATTERY, &event), levels[i].news);
        if (levels[i].news) ck_assert_uint_eq(event.flags, levels[i].flags);
        nplug_device_info(rig.nest, nplug_device_at(rig.nest, 0), &info);
        ck_assert_int_eq(info.battery_percent, (int32_t)(levels[i].level * 100.0f + 0.5f));
    }
    rig_close(&rig);
}

/* --- stories -----------------------------------------------------------------------------------
 */

static const told_story stories[] = {
    {"a player whose device went waits and is told",
     "harbour; players 4; 0 plug a heron; 0 plug b heron; 1 press a start 1; "
     "2 press b start 1; 10: seated 1; seated 2; let pad #0; 20 press a south; 30 unplug a; "
     "40: saw release flags=cancelled time=30; saw wait player=1 device=$pad; waits 1; "
     "not waits 2; not waits 3; missed 1 0 $pad; missed 1 1 -; 50 plug keys turnstone; "
     "60 press keys KeyH; 70: saw claim player=1 flags=taken-over; not saw join; "
     "not held 1 horn; not waits 1; missed 1 0 -"},
    {"waiting has an end where the game wants one",
     "harbour; players 4; seat-wait 500; 0 plug a heron; 0 plug b heron; 1 press a start 1; "
     "2 press b start 1; 10: seated 1; seated 2; 20 unplug b; 519: waits 2; "
     "521: saw leave player=2 flags=late time=520; not seated 2; seated 1"},
    /* Two who shared a keyboard that went press a pad each. */
    {"one press takes over for one player",
     "harbour; players 4; part left KeyW,KeyA; part right KeyH,Space; 0 plug keys turnstone; "
     "1 press keys KeyA 1; 5 press keys KeyH 1; 20 unplug keys; 30 plug a heron; "
     "30 plug b heron; 40: waits 1; waits 2; 50 press b start 1; 60: hears #0 0 -; "
     "hears #1 0 1; not waits 1; waits 2; 70 press a start 1; 80: hears #0 0 2; hears #1 0 1; "
     "not waits 2"},
    /* One who lost a pad goes on at the free half of a keyboard; whoever has the other half keeps
     * it.
     */
    {"half a keyboard takes over alone",
     "harbour; players 4; part left KeyW,KeyA; part right KeyH,Space; 0 plug keys turnstone; "
     "0 plug a heron; 1 press keys KeyA 1; 5 press a start 1; 10 press keys KeyW; "
     "20 unplug a; 50 press keys Space 1; 60: let keys #0; hears $keys 1 1; hears $keys 2 2; "
     "not waits 2; vector 1 steer - 1"},
    /* With no other place left, one that is missed is given away: who waited there has left, and
     * the seat is free for whoever holds the new device. */
    {"a place that is given away waits no more",
     "harbour; players 4; limit devices 1; 0 plug a heron; 1 press a start 1; 20 unplug a; "
     "25: seated 1; waits 1; 30 plug b dunlin; 40 press b start 1; "
     "600: saw leave player=1 flags=late time=30; hears #0 0 1; seated 1; not waits 1"},
    {"a lever gives nothing to whoever has it no longer",
     "level throttle = stick:throttle; players 2; 0 plug levers godwit; "
     "1 sweep levers throttle 0.75 0 1; 10: let levers #0; claim $levers 1; "
     "20: level 1 throttle >0.7; level 2 throttle 0; claim $levers 2; "
     "40: level 2 throttle >0.7; level 1 throttle 0; unclaim $levers; 60: level 1 throttle 0; "
     "level 2 throttle 0"},
};

STORIES(stories)
