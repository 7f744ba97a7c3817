/* The feed: rings that fill up, groups, and reports that are wrong. */
#include "support.h"
#include <pthread.h>
#include <stdlib.h>
#include <string.h>

/* A rig with a port by hand beside the sim. */
typedef struct hand_rig {
    test_rig rig;
    hand_port port;
} hand_rig;

static void open_by_hand(hand_rig *h, uint32_t ring_slots)
{
    nplug_game game = harbour_for(1);
    nplug_limits limits = nplug_limits_default();

    limits.ring_slots = ring_slots;
    memset(&h->port, 0, sizeof h->port);
    rig_open(&h->rig, &game, &limits);
    ck_assert_int_eq(nplug_attach(h->rig.nest, &hand_table, &h->port), NPLUG_OK);
}

enum { STICK_X, STICK_Y, SOUTH = 8 };

/* Whatever a port pushes, in whatever pieces, the nest stays consistent and counts what was wrong.
 */
TEST(wrong_reports_are_counted_and_said_once)
{
    hand_rig h;
    nplug_report unknown = value_report(3000, 99, 0, 1, 0);
    nplug_report undeclared = value_report(3000, 5, 500, 1, 0);
    nplug_report backwards = value_report(1500, 5, STICK_X, 7, 0);
    nplug_report strange = value_report(3000, 5, 0, 1, 0);
    NPLUG_SIZED(nplug_counts, counts);

    strange.kind = 77;
    open_by_hand(&h, 256);
    push_heron(h.port.ring, 2000, 5, NULL, NULL);
    for (int i = 0; i < 2; i++) {
        nplug_push(h.port.ring, &unknown, 1);
        nplug_push(h.port.ring, &undeclared, 1);
        nplug_push(h.port.ring, &strange, 1);
    }
    rig_step(&h.rig, 4000);
    nplug_push(h.port.ring, &backwards, 1);
    push_kind(h.port.ring, 4500, 5, NPLUG_REPORT_SIGNAL);
    push_kind(h.port.ring, 4500, 6, NPLUG_REPORT_DEPART);
    rig_step(&h.rig, 5000);
    counts = counts_of(h.rig.nest);
    ck_assert_uint_eq(counts.unknown_device, 3);
    ck_assert_uint_eq(counts.unknown_signal, 3);
    ck_assert_uint_eq(counts.unknown_kind, 2);
    ck_assert_uint_eq(counts.backwards, 1);
    ck_assert_ptr_nonnull(strstr(h.rig.log, "not here: port's number 99"));
    ck_assert_ptr_null(strstr(strstr(h.rig.log, "not here") + 1, "not here"));
    ck_assert_ptr_nonnull(strstr(h.rig.log, "never declared: number 500"));
    ck_assert_uint_eq(nplug_device_count(h.rig.nest), 1);
    rig_close(&h.rig);
}

TEST(a_group_that_never_ends_is_thrown_away_whole)
{
    hand_rig h;
    nplug_report endless = value_report(1000, 5, STICK_X, 9, NPLUG_REPORT_FLAG_MORE);
    nplug_report other = value_report(1000, 6, SOUTH, 1, 0);
    nplug_report end = value_report(1001, 5, SOUTH, 1, 0);
    nplug_result result = NPLUG_OK;

    open_by_hand(&h, 256);
    push_heron(h.port.ring, 0, 5, NULL, NULL);
    push_heron(h.port.ring, 0, 6, NULL, NULL);
    rig_step(&h.rig, 500);
    for (int i = 0; i < 65 && result == NPLUG_OK; i++)
        result = nplug_push(h.port.ring, &endless, 1);
    ck_assert_int_eq(result, NPLUG_ERR_ARGUMENT);
    nplug_push(h.port.ring, &end, 1); /* ends the broken group: passed over */
    ck_assert_int_eq(nplug_push(h.port.ring, &end, 1), NPLUG_OK);
    ck_assert_int_eq(nplug_push(h.port.ring, &other, 1), NPLUG_OK);
    rig_step(&h.rig, 2000);
    ck_assert_uint_eq(counts_of(h.rig.nest).bad_groups, 1);
    ck_assert_float_eq(rig_control(&h.rig, 0, "pad:stick-left").x, 0.0f);
    ck_assert_float_eq(rig_control(&h.rig, 0, "pad:south").x, 1.0f);
    ck_assert_float_eq(rig_control(&h.rig, 1, "pad:south").x, 1.0f);
    ck_assert_uint_ge(h.port.resyncs, 1); /* the device lost reports */
    ck_assert_ptr_nonnull(strstr(h.rig.log, "a group of reports never ended"));
    ck_assert_int_eq(nplug_push(NULL, &end, 1), NPLUG_ERR_ARGUMENT);
    rig_close(&h.rig);
}

/* The same in one push, with groups before and behind it that are as they should be. */
TEST(what_is_around_a_group_that_is_too_long_comes_through)
{
    hand_rig h;
    nplug_report reports[90];

    open_by_hand(&h, 256);
    push_heron(h.port.ring, 0, 5, NULL, NULL);
    rig_step(&h.rig, 500);
    for (int i = 0; i < 90; i++)
        reports[i] = value_report(1000 + (nplug_time)i, 5, STICK_X, i, NPLUG_REPORT_FLAG_MORE);
    /* groups of 7, 1, 81 and 1 */
    reports[6].flags = reports[7].flags = reports[88].flags = reports[89].flags = 0;
    reports[7].signal = reports[89].signal = SOUTH;
    reports[7].data.value = 1;
    reports[89].data.value = 0;
    ck_assert_int_eq(nplug_push(h.port.ring, reports, 90), NPLUG_ERR_ARGUMENT);
    rig_step(&h.rig, 2000);
    ck_assert_uint_eq(counts_of(h.rig.nest).bad_groups, 1);
    ck_assert_float_eq(rig_control(&h.rig, 0, "pad:stick-left").x, 6.0f / 32767.0f);
    ck_assert_uint_eq(nplug_presses(h.rig.nest, 1, HORN), 1);
    rig_close(&h.rig);
}

TEST(a_full_ring_refuses_and_nothing_sticks)
{
    hand_rig h;
    nplug_result result = NPLUG_OK;
    unsigned taken = 0;

    open_by_hand(&h, 64);
    push_heron(h.port.ring, 0, 5, NULL, NULL);
    rig_step(&h.rig, 500);
    for (; result == NPLUG_OK && taken < 200; taken++) {
        nplug_report press = value_report(1000 + taken, 5, SOUTH, taken % 2 == 0, 0);
        result = nplug_push(h.port.ring, &press, 1);
    }
    ck_assert_int_eq(result, NPLUG_ERR_FULL);
    ck_assert_uint_eq(nplug_ring_room(h.port.ring), 0);
    rig_step(&h.rig, 5000);
    ck_assert_uint_eq(nplug_presses(h.rig.nest, 1, HORN), 32);
    ck_assert_uint_eq(counts_of(h.rig.nest).reports_dropped, 1);
    push_kind(h.port.ring, 6000, 5, NPLUG_REPORT_DEPART);
    rig_step(&h.rig, 7000);
    ck_assert_uint_eq(counts_of(h.rig.nest).unknown_device, 0);
    ck_assert_uint_eq(nplug_device_count(h.rig.nest), 0);
    ck_assert(!nplug_held(h.rig.nest, 1, HORN));
    rig_close(&h.rig);
}

TEST(clocks_that_disagree_are_an_event)
{
    hand_rig h;
    nplug_report ahead = value_report(9 * SECOND, 5, SOUTH, 1, 0);
    nplug_event event;

    open_by_hand(&h, 256);
    push_heron(h.port.ring, 0, 5, NULL, NULL);
    nplug_push(h.port.ring, &ahead, 1);
    rig_step(&h.rig, 1000);
    rig_step(&h.rig, 1500);
    ck_assert(rig_saw(&h.rig, NPLUG_EVENT_CLOCKS, &event));
    ck_assert(event.device == 0 && event.player == 0);
    rig_step(&h.rig, 2000);
    ck_assert(!rig_saw(&h.rig, NPLUG_EVENT_CLOCKS, NULL)); /* said once */
    ck_assert(!nplug_held(h.rig.nest, 1, HORN));
    rig_step(&h.rig, 9 * SECOND);
    ck_assert(nplug_held(h.rig.nest, 1, HORN));
    ck_assert_uint_eq(counts_of(h.rig.nest).early, 1);
    rig_close(&h.rig);
}

/* Events have little room: arrivals and departures are never left out, whatever else happens. */
TEST(arrivals_and_departures_are_never_pushed_out)
{
    nplug_game game = harbour_for(1);
    nplug_limits limits = nplug_limits_default();
    uint32_t seen = 0, steps = 0;
    nplug_result result = NPLUG_AGAIN;
    test_rig rig;

    limits.events = 16;
    rig_open(&rig, &game, &limits);
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    for (unsigned i = 0; i < 20; i++) {
        for (unsigned k = 0; k < 10; k++)
            nplug_sim_press(rig.sim, i * 1000 + k, "keys", "KeyH", 0);
        nplug_sim_plug(rig.sim, i * 1000 + 500, "pad", "heron");
        nplug_sim_unplug(rig.sim, i * 1000 + 600, "pad");
    }
    for (; result == NPLUG_AGAIN; steps++) {
        result = nplug_step(rig.nest, SECOND);
        for (uint32_t i = 0; i < nplug_event_count(rig.nest); i++)
            seen += nplug_event_at(rig.nest, i)->kind == NPLUG_EVENT_ARRIVAL ||
                    nplug_event_at(rig.nest, i)->kind == NPLUG_EVENT_DEPARTURE;
    }
    ck_assert_int_eq(result, NPLUG_OK);
    ck_assert_uint_eq(seen, 1 + 2 * 20);
    ck_assert_uint_gt(steps, 1);
    rig_close(&rig);
}

/* --- a port on its own thread --------------------------------------------------------------- */

#define THREAD_PRESSES 20000

static void *press_from_thread(void *ring)
{
    for (unsigned i = 0; i < 2 * THREAD_PRESSES; i++) {
        nplug_report report = value_report(i, 5, SOUTH, i % 2 == 0, 0);
        while (nplug_ring_room((nplug_ring *)ring) < 8)
            sched_yield();
        nplug_push((nplug_ring *)ring, &report, 1);
    }
    return NULL;
}

TEST(a_port_may_push_from_its_own_thread)
{
    hand_rig h;
    pthread_t thread;
    NPLUG_SIZED(nplug_action_facts, state);
    nplug_result result;

    open_by_hand(&h, 256);
    push_heron(h.port.ring, 0, 5, NULL, NULL);
    rig_step(&h.rig, 0);
    ck_assert_int_eq(pthread_create(&thread, NULL, press_from_thread, h.port.ring), 0);
    while (state.release_count < THREAD_PRESSES) {
        result = nplug_step(h.rig.nest, 10 * SECOND);
        ck_assert(result == NPLUG_OK || result == NPLUG_AGAIN);
        nplug_action_info(h.rig.nest, 1, HORN, &state);
    }
    pthread_join(thread, NULL);
    ck_assert_uint_eq(state.press_count, THREAD_PRESSES);
    ck_assert_uint_eq(counts_of(h.rig.nest).reports_dropped, 0);
    rig_close(&h.rig);
}
