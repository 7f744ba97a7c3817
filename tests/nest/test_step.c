/* The step: time order, whatever the frame rate; and the same again from a trace. */
#include "support.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* Two pads and a keyboard.  Between two steps of 50 ms there are a join, a press and its release, a
 * hold that comes due, a departure in the middle of a press, and a return. */
static const nplug_move story[] = {
    {10 * MS, 0, NPLUG_MOVE_ARRIVE, "pad-1", "heron", "H-1", NULL, 0, 0, 0, 0, 0, NULL, 0, 0, 0},
    {11 * MS, 0, NPLUG_MOVE_ARRIVE, "pad-2", "heron", "H-2", NULL, 0, 0, 0, 0, 0, NULL, 0, 0, 0},
    {12 * MS, 0, NPLUG_MOVE_ARRIVE, "keys", "turnstone", NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0, 0},
    {103 * MS, 9 * MS, NPLUG_MOVE_PRESS, "pad-1", "north", NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0,
     0},
    {115 * MS, 7 * MS, NPLUG_MOVE_PRESS, "pad-1", "south", NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0,
     0},
    {124 * MS, 3 * MS, NPLUG_MOVE_PRESS, "pad-1", "south", NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0,
     0},
    {131 * MS, 90 * MS, NPLUG_MOVE_PRESS, "keys", "KeyH", NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0, 0},
    {140 * MS, 0, NPLUG_MOVE_PRESS, "pad-1", "south", NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0, 0},
    {160 * MS, 200 * MS, NPLUG_MOVE_SWEEP, "pad-1", "stick-left", NULL, NULL, 1, -1, 0, 0, 0, NULL,
     0, 0, 0},
    {201 * MS, 400 * MS, NPLUG_MOVE_PRESS, "pad-1", "west", NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0,
     0},
    {260 * MS, 80 * MS, NPLUG_MOVE_SWEEP, "pad-1", "trigger-right", NULL, NULL, 1, 0, 0, 0, 0, NULL,
     0, 0, 0},
    {301 * MS, 40 * MS, NPLUG_MOVE_PRESS, "keys", "KeyH", NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0, 0},
    {501 * MS, 100 * MS, NPLUG_MOVE_PRESS, "pad-2", "south", NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0,
     0},
    {512 * MS, 0, NPLUG_MOVE_DEPART, "pad-1", NULL, NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0, 0},
    {530 * MS, 0, NPLUG_MOVE_ARRIVE, "pad-1", "heron", "H-1", NULL, 0, 0, 0, 0, 0, NULL, 0, 0, 0},
    {537 * MS, 5 * MS, NPLUG_MOVE_PRESS, "pad-1", "south", NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0,
     0},
    {545 * MS, 500 * MS, NPLUG_MOVE_PRESS, "pad-1", "west", NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0,
     0},
    {700 * MS, 10 * MS, NPLUG_MOVE_PRESS, "pad-2", "start", NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0,
     0},
    {1200 * MS, 0, NPLUG_MOVE_END, NULL, NULL, NULL, NULL, 0, 0, 0, 0, 0, NULL, 0, 0, 0},
};

/* The story's edge events at a number of steps a second.  The winch's layer is switched on by the
 * game at 50 ms, where all rates step. */
static void tell(unsigned rate, char *text, size_t size)
{
    nplug_game game = harbour_for(2);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    rig_play(&rig, story, COUNT_OF(story));
    for (nplug_time step = 0; step * SECOND <= 1200 * MS * rate; step++) {
        rig_step(&rig, step * SECOND / rate);
        rig_events(&rig, text, size);
        if (step * SECOND / rate == 50 * MS)
            ck_assert_int_eq(nplug_switch_layer(rig.nest, NPLUG_EVERYONE, 1, true), NPLUG_OK);
    }
    ck_assert_uint_eq(nplug_sim_failures(rig.sim, NULL), 0);
    rig_close(&rig);
}

TEST(edges_do_not_depend_on_the_frame_rate)
{
    static const unsigned rates[] = {1000, 500, 200, 100, 40};
    static char slow[32768], fast[32768];

    memset(slow, 0, sizeof slow);
    tell(20, slow, sizeof slow);
    ck_assert_ptr_nonnull(strstr(slow, "103000 join device"));
    ck_assert_ptr_nonnull(strstr(slow, "501000 press device 1001 player 1 winch pad:west"));
    ck_assert_ptr_nonnull(strstr(slow, "512000 departure"));
    for (size_t i = 0; i < COUNT_OF(rates); i++) {
        memset(fast, 0, sizeof fast);
        tell(rates[i], fast, sizeof fast);
        check_same(fast, slow, "edge events");
    }
}

/* --- the same again ------------------------------------------------------------------------- */

#define STEPS 400

typedef struct recording {
    nplug_record records[20000];
    size_t count;
    uint64_t digest[STEPS];
    nplug_limits limits;
} recording;

/* A pseudo-random hand on the hardware, and a game that gives commands now and then. */
static void record(recording *into, unsigned seed)
{
    static const char *const controls[] = {"south", "west", "start", "dpad-left", "trigger-left"};
    static const char *const keys[] = {"KeyH", "KeyW", "KeyQ", "KeyZ", "F5"};
    nplug_game game = harbour_for(2);
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits = nplug_limits_default();
    test_rig rig;

    limits.records = 4096;
    srand(seed);
    setup.limits = &limits;
    rig_open_setup(&rig, &game, setup);
    rig_play(&rig, story, COUNT_OF(story));
    for (unsigned i = 0; i < 300; i++) {
        nplug_time at = (nplug_time)(rand() % 2000) * MS;
        nplug_vec2 to = {(float)(rand() % 201 - 100) / 100.0f,
                         (float)(rand() % 201 - 100) / 100.0f};
        nplug_sim_press(rig.sim, at, "pad-2", controls[rand() % 5], (nplug_time)(rand() % 90) * MS);
        nplug_sim_press(rig.sim, at, "keys", keys[rand() % 5], (nplug_time)(rand() % 90) * MS);
        if (i % 10 == 0) nplug_sim_sweep(rig.sim, at, "pad-2", "stick-left", to, 30 * MS);
    }
    for (unsigned step = 0; step < STEPS; step++) {
        if (step % 37 == 5) nplug_switch_layer(rig.nest, step % 3, 1, step % 2);
        if (step % 91 == 9) nplug_leave(rig.nest, 1 + step % 2);
        if (step % 53 == 7 && nplug_device_count(rig.nest))
            nplug_claim(rig.nest, nplug_device_at(rig.nest, 0), 1 + step % 2);
        if (step % 71 == 3 && nplug_device_count(rig.nest) > 1)
            nplug_unclaim(rig.nest, nplug_device_at(rig.nest, 1));
        rig_step(&rig, (nplug_time)step * 5003);
        into->digest[step] = nplug_digest(rig.nest);
        into->count += nplug_take_records(rig.nest, into->records + into->count,
                                          COUNT_OF(into->records) - into->count);
    }
    into->limits = limits_of(rig.nest);
    ck_assert_uint_eq(counts_of(rig.nest).records_dropped, 0);
    ck_assert_uint_lt(into->count, COUNT_OF(into->records));
    rig_close(&rig);
}

static void replay(const recording *from)
{
    nplug_game game = harbour_for(2);
    nplug_command commands[64];
    nplug_replay replay;
    size_t count, size = nplug_memory_needed(&from->limits);
    void *block = malloc(size);
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits = nplug_limits_default();
    nplug_nest *nest;
    nplug_time now;
    unsigned step = 0;

    limits = from->limits;
    setup.limits = &limits;
    ck_assert_int_eq(nplug_open(&setup, block, size, &nest), NPLUG_OK);
    ck_assert_int_eq(nplug_use_game(nest, &game), NPLUG_OK);
    nplug_replay_open(&replay, from->records, from->count);
    ck_assert_int_eq(nplug_replay_attach(&replay, nest), NPLUG_OK);
    while (nplug_replay_next(&replay, commands, COUNT_OF(commands), &count, &now) == NPLUG_OK) {
        for (size_t i = 0; i < count; i++)
            ck_assert_int_eq(nplug_post(nest, &commands[i]), NPLUG_OK);
        ck_assert_int_eq(nplug_step(nest, now), NPLUG_OK);
        ck_assert_msg(nplug_digest(nest) == from->digest[step], "digest of step %u", step);
        step++;
    }
    ck_assert_uint_eq(step, STEPS);
    nplug_close(nest);
    free(block);
}

TESTS(a_replay_has_the_same_digest_after_every_step, 8)
{
    recording *trace = (recording *)calloc(1, sizeof *trace);

    record(trace, (unsigned)_i + 1);
    replay(trace);
    free(trace);
}

static bool tells_usage(const recording *trace, uint32_t usage)
{
    uint16_t signal = 0;

    for (size_t i = 0; i < trace->count; i++) {
        const nplug_report *report = &trace->records[i].data.report;
        if (trace->records[i].kind != NPLUG_RECORD_REPORT) continue;
        if (report->kind == NPLUG_REPORT_SIGNAL && report->data.signal.code == (7u << 16 | usage))
            signal = report->signal;
        if (report->kind == NPLUG_REPORT_VALUE && signal && report->signal == signal &&
            report->device == 2)
            return true;
    }
    return false;
}

TEST(a_trace_tells_no_key_that_the_game_does_not_bind)
{
    recording *trace = (recording *)calloc(1, sizeof *trace);

    record(trace, 9);
    ck_assert(tells_usage(trace, 0x0b));  /* KeyH: bound */
    ck_assert(!tells_usage(trace, 0x14)); /* KeyQ: not */
    ck_assert(!tells_usage(trace, 0x1d)); /* KeyZ */
    for (size_t i = 0; i < trace->count; i++)
        ck_assert(trace->records[i].kind != NPLUG_RECORD_REPORT ||
                  trace->records[i].data.report.kind != NPLUG_REPORT_TEXT ||
                  memcmp(trace->records[i].data.report.data.text, "H-1", 3) != 0);
    free(trace);
}

/* --- the border ----------------------------------------------------------------------------- */

TEST(two_nests_live_side_by_side)
{
    nplug_game game = harbour_for(1);
    test_rig one, two;

    rig_open(&one, &game, NULL);
    rig_open(&two, &game, NULL);
    nplug_sim_plug(one.sim, 0, "pad", "heron");
    nplug_sim_press(one.sim, 1000, "pad", "south", 0);
    rig_step(&one, 2000);
    rig_step(&two, 2000);
    ck_assert(nplug_held(one.nest, 1, HORN));
    ck_assert(!nplug_held(two.nest, 1, HORN));
    ck_assert_uint_ne(nplug_digest(one.nest), nplug_digest(two.nest));
    rig_close(&one);
    rig_close(&two);
}

TEST(a_block_too_small_by_one_is_refused_and_impossible_limits_too)
{
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits = nplug_limits_default();
    size_t size = nplug_memory_needed(&limits);
    char *block = (char *)malloc(size + 16);
    nplug_nest *nest = (nplug_nest *)block;

    setup.limits = &limits;
    ck_assert_int_eq(nplug_open(&setup, block, size - 1, &nest), NPLUG_ERR_SIZE);
    ck_assert_ptr_null(nest);
    ck_assert_int_eq(nplug_open(&setup, block + 1, size, &nest), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_open(&setup, NULL, size, &nest), NPLUG_ERR_ARGUMENT);
    limits.ring_slots = 1000;
    ck_assert_uint_eq(nplug_memory_needed(&limits), 0);
    ck_assert_int_eq(nplug_open(&setup, block, size, &nest), NPLUG_ERR_ARGUMENT);
    setup = nplug_setup_default();
    setup.size = 4;
    ck_assert_int_eq(nplug_open(&setup, block, size, &nest), NPLUG_ERR_SIZE);
    free(block);
}

TEST(slots_and_events_have_their_sizes)
{
    ck_assert_uint_eq(sizeof(nplug_report), 32);
    ck_assert_uint_eq(sizeof(nplug_event), 64);
    for (int i = -20; i < 5; i++)
        ck_assert_ptr_nonnull(nplug_result_text((nplug_result)i));
    ck_assert_str_eq(nplug_version(), "0.1.0");
}
