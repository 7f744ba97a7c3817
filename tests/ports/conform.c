/* The duties of a port, in tests. */
#include "ports/conform.h"
#include <unistd.h>

/* --- what must hold ------------------------------------------------------------------------- */

static void step(const subject *s)
{
    usleep(1000); /* so that what was said lies behind the step's time */
    nplug_step(s->nest, nplug_now());
}

/* Steps until so many devices are here, beside those that always are. */
static void wait_for(const subject *s, uint32_t count)
{
    for (int i = 0; i < 100 && nplug_device_count(s->nest) != s->beside + count; i++)
        step(s);
    ck_assert_msg(nplug_device_count(s->nest) == s->beside + count, "%s: %u devices", s->name,
                  nplug_device_count(s->nest));
}

static nplug_counts counts_of(const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_counts, counts);

    nplug_nest_counts(nest, &counts);
    return counts;
}

/* The device that presses the horn. */
static nplug_device pressing(const subject *s)
{
    for (uint32_t e = 0; e < nplug_event_count(s->nest); e++) {
        const nplug_event *event = nplug_event_at(s->nest, e);
        if (event->kind == NPLUG_EVENT_PRESS && event->action == CONFORM_HORN) return event->device;
    }
    return 0;
}

static void begin(subject *s, int row, const nplug_port **table)
{
    static nplug_action_def actions[CONFORM_ACTIONS] = {
        [CONFORM_STEER] = {"steer", NPLUG_ACTION_VECTOR, "", 0},
        [CONFORM_HORN] = {"horn", NPLUG_ACTION_BUTTON, "", 0}};
    nplug_game game = nplug_game_for_one("conform", actions, CONFORM_ACTIONS);
    nplug_setup setup = nplug_setup_default();

    *s = conform_subjects[row];
    for (int a = 0; a < CONFORM_ACTIONS; a++)
        actions[a].bindings = conform_bindings[a];
    game.zones = conform_zones;
    game.zone_count = conform_zone_count;
    ck_assert_int_eq(nplug_start_bare(&game, &setup, &s->nest), NPLUG_OK);
    *table = s->open(s);
    ck_assert_int_eq(nplug_attach(s->nest, *table, s->self), NPLUG_OK);
    nplug_step(s->nest, nplug_now());
    s->plug(s);
    wait_for(s, 1);
}

static void end(subject *s)
{
    nplug_stop(s->nest);
    s->close(s);
}

TESTS(presses_arrive_all_in_order_and_once, conform_subject_count)
{
    NPLUG_SIZED(nplug_action_facts, state);
    const nplug_port *table;
    subject s;

    begin(&s, _i, &table);
    for (unsigned i = 0; i < 50; i++) {
        s.press(&s, true);
        if (s.polled || i % 3 == 0) step(&s);
        s.press(&s, false);
        if (s.polled || i % 2 == 0) step(&s);
    }
    step(&s);
    nplug_action_info(s.nest, 1, CONFORM_HORN, &state);
    ck_assert_uint_eq(state.press_count, 50);
    ck_assert_uint_eq(state.release_count, 50);
    ck_assert_uint_eq(counts_of(s.nest).backwards, 0);
    ck_assert_uint_eq(counts_of(s.nest).late, 0);
    ck_assert_uint_eq(counts_of(s.nest).unknown_device, 0);
    ck_assert_uint_eq(counts_of(s.nest).unknown_signal, 0);
    end(&s);
}

TESTS(values_are_exact_and_moments_stay_whole, conform_subject_count)
{
    nplug_vec2 stick;
    const nplug_port *table;
    subject s;

    begin(&s, _i, &table);
    for (int i = 0; i < 20; i++) {
        s.diagonal(&s, i % 2 ? 0.0f : 1.0f);
        step(&s);
        stick = nplug_vector(s.nest, 1, CONFORM_STEER);
        ck_assert_float_eq(stick.x, i % 2 ? 0.0f : 1.0f);
        ck_assert_float_eq(stick.y, i % 2 ? 0.0f : 1.0f);
    }
    end(&s);
}

TESTS(a_resync_tells_the_present_state, conform_subject_count)
{
    bool resynced = false;
    const nplug_port *table;
    subject s;

    begin(&s, _i, &table);
    s.press(&s, true);
    s.diagonal(&s, 1.0f);
    step(&s);
    ck_assert_ptr_nonnull(table->resync);
    table->resync(s.self, s.number);
    for (int i = 0; i < 5; i++) {
        step(&s);
        for (uint32_t e = 0; e < nplug_event_count(s.nest); e++)
            resynced |= nplug_event_at(s.nest, e)->kind == NPLUG_EVENT_RESYNCED;
    }
    ck_assert_msg(resynced, "%s: no answer", s.name);
    ck_assert(nplug_held(s.nest, 1, CONFORM_HORN));
    ck_assert_float_eq(nplug_vector(s.nest, 1, CONFORM_STEER).x, 1.0f);
    s.press(&s, false);
    step(&s);
    ck_assert(!nplug_held(s.nest, 1, CONFORM_HORN));
    end(&s);
}

/* Of hardware that comes and goes. */
TESTS(a_departure_is_one_and_a_return_another_device, conform_subject_count)
{
    nplug_device first;
    const nplug_port *table;
    subject s;

    begin(&s, _i, &table);
    if (s.unplug) {
        s.press(&s, true);
        step(&s);
        first = pressing(&s);
        ck_assert_uint_ne(first, 0);
        s.unplug(&s);
        wait_for(&s, 0);
        ck_assert(!nplug_held(s.nest, 1, CONFORM_HORN));
        s.plug(&s);
        wait_for(&s, 1);
        s.press(&s, true);
        step(&s);
        ck_assert_uint_ne(pressing(&s), 0);
        ck_assert_uint_ne(pressing(&s), first);
    }
    end(&s);
}

/* A port that is detached takes its devices along, and may be attached again. */
TESTS(a_port_comes_and_goes, conform_subject_count)
{
    const nplug_port *table;
    subject s;

    begin(&s, _i, &table);
    for (int i = 0; i < 3; i++) {
        s.press(&s, true);
        step(&s);
        ck_assert(nplug_held(s.nest, 1, CONFORM_HORN));
        ck_assert_int_eq(nplug_detach(s.nest, s.self), NPLUG_OK);
        ck_assert_int_eq(nplug_detach(s.nest, s.self), NPLUG_ERR_UNKNOWN);
        step(&s);
        ck_assert_uint_eq(nplug_device_count(s.nest), 0);
        ck_assert(!nplug_held(s.nest, 1, CONFORM_HORN));
        ck_assert_int_eq(nplug_attach(s.nest, table, s.self), NPLUG_OK);
        s.press(&s, false);
        if (s.unplug) s.unplug(&s);
        step(&s);
        s.plug(&s);
        wait_for(&s, 1);
    }
    end(&s);
}

/* Unknown numbers, effects for nobody, and stopping in the middle are no harm. */
TESTS(odd_questions_and_stopping_are_no_harm, conform_subject_count)
{
    nplug_effect effect = {.device = 77, .strong = 1.0f, .duration_ms = 10};
    const nplug_port *table;
    subject s;

    begin(&s, _i, &table);
    table->resync(s.self, 4000);
    if (table->effect) table->effect(s.self, &effect);
    s.press(&s, true);
    step(&s);
    ck_assert_uint_eq(nplug_device_count(s.nest), s.beside + 1);
    end(&s);
}
