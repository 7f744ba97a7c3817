/* What every port must keep to, whatever its hardware: run against each port that can be told what
 * its hardware does.  A new port joins by a row in `subjects`. */
#include "nestplug/linux.h"
#include "standin/kernel.h"
#include "support.h"
#include <stdlib.h>
#include <unistd.h>

/* Touch surfaces stand for the pad, by zones. */
static const nplug_zone_def zones[] = {
    {.name = "helm",
     .kind = NPLUG_ZONE_DPAD,
     .as = "pad:stick-left",
     .width = 0.5f,
     .height = 1.0f},
    {.name = "horn", .as = "pad:south", .x = 0.5f, .width = 0.5f, .height = 1.0f}};

/* A port under test, and how to play its hardware: one pad with a left stick and a south button. */
typedef struct subject {
    const char *name;
    nplug_nest *nest;
    void *self;      /* the port's */
    void *hardware;  /* whatever plays it */
    uint32_t number; /* the port's own number of the pad */
    const nplug_port *(*open)(struct subject *s);
    void (*plug)(struct subject *s);
    void (*press)(struct subject *s, bool down);
    void (*diagonal)(struct subject *s, float to);
    void (*unplug)(struct subject *s);
    void (*close)(struct subject *s);
} subject;

/* --- sim ------------------------------------------------------------------------------------ */

static const nplug_port *sim_open(subject *s)
{
    nplug_sim_limits limits = {2, 256};

    s->self = nplug_sim_open(limits, malloc(nplug_sim_memory_needed(limits)),
                             nplug_sim_memory_needed(limits));
    return nplug_sim_port();
}

static void sim_plug(subject *s)
{
    nplug_sim_plug(s->self, nplug_now(), "pad", "heron");
}

static void sim_press(subject *s, bool down)
{
    if (down)
        nplug_sim_press(s->self, nplug_now(), "pad", "south", 0);
    else
        nplug_sim_release(s->self, nplug_now(), "pad", "south");
}

static void sim_diagonal(subject *s, float to)
{
    nplug_sim_sweep(s->self, nplug_now(), "pad", "stick-left", (nplug_vec2){to, to}, 0);
}

static void sim_unplug(subject *s)
{
    nplug_sim_unplug(s->self, nplug_now(), "pad");
}

static void free_self(subject *s)
{
    free(s->self);
}

/* --- window --------------------------------------------------------------------------------- */

static const nplug_port *window_open(subject *s)
{
    s->number = 3; /* the first pad's, after keyboard, mouse and touch */
    s->self = nplug_window_open(NPLUG_WINDOW_PADS, malloc(nplug_window_memory_needed()),
                                nplug_window_memory_needed());
    return nplug_window_port();
}

static void window_plug(subject *s)
{
    nplug_window_pad(s->self, nplug_now(), 0, NULL, true);
}

static void window_press(subject *s, bool down)
{
    nplug_window_pad_button(s->self, nplug_now(), 0, 0, down ? 1.0f : 0.0f);
}

/* The web's interface gives one axis at a time: two calls are two moments. */
static void window_diagonal(subject *s, float to)
{
    nplug_window_pad_axis(s->self, nplug_now(), 0, 0, to);
    nplug_window_pad_axis(s->self, nplug_now(), 0, 1, -to);
}

static void window_unplug(subject *s)
{
    nplug_window_pad(s->self, nplug_now(), 0, NULL, false);
}

/* --- linux, over stand-ins ------------------------------------------------------------------ */

static const nplug_port *linux_open(subject *s)
{
    nplug_linux_setup setup = nplug_linux_setup_default();

    setup.folder = standin_folder();
    s->self = nplug_linux_open(&setup, malloc(nplug_linux_memory_needed(&setup)),
                               nplug_linux_memory_needed(&setup));
    return nplug_linux_port(s->self);
}

static void linux_plug(subject *s)
{
    s->hardware = standin_heron(3);
}

static void linux_press(subject *s, bool down)
{
    standin_node *node = s->hardware;

    node->down[BTN_SOUTH / 8] = (unsigned char)(down ? 1u << (BTN_SOUTH % 8) : 0);
    standin_frame(node, EV_KEY, BTN_SOUTH, down);
}

static void linux_diagonal(subject *s, float to)
{
    standin_node *node = s->hardware;

    node->info[ABS_X].value = (int)(32767 * to);
    node->info[ABS_Y].value = (int)(-32768 * to);
    standin_say(node, EV_ABS, ABS_X, node->info[ABS_X].value);
    standin_frame(node, EV_ABS, ABS_Y, node->info[ABS_Y].value);
}

static void linux_unplug(subject *s)
{
    standin_unplug(s->hardware);
}

static void linux_close(subject *s)
{
    free(s->self);
    standin_clean();
}

/* --- touch surfaces --------------------------------------------------------------------------- */

#define STICK_FINGER 1u
#define PRESS_FINGER 2u

/* A finger's place on the stick, and whether it is down already. */
static nplug_vec2 on_stick(subject *s, float to, bool *down)
{
    nplug_vec2 at = {0.25f + 0.2f * to, 0.5f - 0.3f * to};

    *down = s->hardware != NULL;
    s->hardware = s;
    return at;
}

static void sim_surface_plug(subject *s)
{
    s->hardware = NULL;
    nplug_sim_plug(s->self, nplug_now(), "pad", "tern");
}

static void sim_surface_press(subject *s, bool down)
{
    nplug_vec2 at = {0.75f, 0.5f};

    if (down)
        nplug_sim_touch(s->self, nplug_now(), "pad", PRESS_FINGER, at, at, 0);
    else
        nplug_sim_lift(s->self, nplug_now(), "pad", PRESS_FINGER);
}

static void sim_surface_diagonal(subject *s, float to)
{
    bool down;
    nplug_vec2 at = on_stick(s, to, &down), middle = {0.25f, 0.5f};

    if (!down) nplug_sim_touch(s->self, nplug_now(), "pad", STICK_FINGER, middle, middle, 0);
    nplug_sim_drag(s->self, nplug_now(), "pad", STICK_FINGER, at, 0);
}

static const nplug_port *window_surface_open(subject *s)
{
    s->number = 2; /* after keyboard and mouse */
    s->self = nplug_window_open(NPLUG_WINDOW_TOUCH, malloc(nplug_window_memory_needed()),
                                nplug_window_memory_needed());
    return nplug_window_port();
}

/* A window's surface is there as long as the port is attached. */
static void window_surface_plug(subject *s)
{
    s->hardware = NULL;
}

static void window_surface_press(subject *s, bool down)
{
    nplug_window_touch(s->self, nplug_now(), PRESS_FINGER, (nplug_vec2){0.75f, 0.5f}, down);
}

static void window_surface_diagonal(subject *s, float to)
{
    bool down;
    nplug_vec2 at = on_stick(s, to, &down);

    if (!down)
        nplug_window_touch(s->self, nplug_now(), STICK_FINGER, (nplug_vec2){0.25f, 0.5f}, true);
    nplug_window_touch(s->self, nplug_now(), STICK_FINGER, at, true);
}

/* The last one is never unplugged: a window's surface is there as long as the window. */
static const subject subjects[] = {
    {"sim", NULL, NULL, NULL, 0, sim_open, sim_plug, sim_press, sim_diagonal, sim_unplug,
     free_self},
    {"window", NULL, NULL, NULL, 0, window_open, window_plug, window_press, window_diagonal,
     window_unplug, free_self},
    {"linux", NULL, NULL, NULL, 0, linux_open, linux_plug, linux_press, linux_diagonal,
     linux_unplug, linux_close},
    {"sim-surface", NULL, NULL, NULL, 0, sim_open, sim_surface_plug, sim_surface_press,
     sim_surface_diagonal, sim_unplug, free_self},
    {"window-surface", NULL, NULL, NULL, 0, window_surface_open, window_surface_plug,
     window_surface_press, window_surface_diagonal, NULL, free_self},
};

/* --- what must hold ------------------------------------------------------------------------- */

static void begin(subject *s, int row, const nplug_port **table)
{
    nplug_game game = harbour_for(1);
    nplug_setup setup = nplug_setup_default();

    *s = subjects[row];
    game.zones = zones;
    game.zone_count = COUNT_OF(zones);
    ck_assert_int_eq(nplug_start_bare(&game, &setup, &s->nest), NPLUG_OK);
    *table = s->open(s);
    ck_assert_int_eq(nplug_attach(s->nest, *table, s->self), NPLUG_OK);
    nplug_step(s->nest, nplug_now());
    s->plug(s);
    for (int i = 0; i < 100 && nplug_device_count(s->nest) == 0; i++, usleep(1000))
        nplug_step(s->nest, nplug_now());
    ck_assert_msg(nplug_device_count(s->nest) == 1, "%s: no arrival", s->name);
}

static void step(const subject *s)
{
    usleep(1000); /* so that what was said lies behind the step's time */
    nplug_step(s->nest, nplug_now());
}

static void end(subject *s)
{
    nplug_stop(s->nest);
    s->close(s);
}

START_TEST(presses_arrive_all_in_order_and_once)
{
    NPLUG_SIZED(nplug_action_facts, state);
    const nplug_port *table;
    subject s;

    begin(&s, _i, &table);
    for (unsigned i = 0; i < 50; i++) {
        s.press(&s, true);
        if (i % 3 == 0) step(&s);
        s.press(&s, false);
        if (i % 2 == 0) step(&s);
    }
    step(&s);
    nplug_action_info(s.nest, 1, HORN, &state);
    ck_assert_uint_eq(state.press_count, 50);
    ck_assert_uint_eq(state.release_count, 50);
    ck_assert_uint_eq(counts_of(s.nest).backwards, 0);
    ck_assert_uint_eq(counts_of(s.nest).late, 0);
    ck_assert_uint_eq(counts_of(s.nest).unknown_device, 0);
    ck_assert_uint_eq(counts_of(s.nest).unknown_signal, 0);
    end(&s);
}
END_TEST

START_TEST(values_are_exact_and_moments_stay_whole)
{
    nplug_vec2 stick;
    const nplug_port *table;
    subject s;

    begin(&s, _i, &table);
    for (int i = 0; i < 20; i++) {
        s.diagonal(&s, i % 2 ? 0.0f : 1.0f);
        step(&s);
        stick = nplug_vector(s.nest, 1, STEER);
        ck_assert_float_eq(stick.x, i % 2 ? 0.0f : 1.0f);
        ck_assert_float_eq(stick.y, i % 2 ? 0.0f : 1.0f);
    }
    end(&s);
}
END_TEST

START_TEST(a_resync_tells_the_present_state)
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
    ck_assert(nplug_held(s.nest, 1, HORN));
    ck_assert_float_eq(nplug_vector(s.nest, 1, STEER).x, 1.0f);
    s.press(&s, false);
    step(&s);
    ck_assert(!nplug_held(s.nest, 1, HORN));
    end(&s);
}
END_TEST

START_TEST(a_departure_is_one_and_a_return_another_device)
{
    nplug_device first;
    const nplug_port *table;
    subject s;

    begin(&s, _i, &table);
    first = nplug_device_at(s.nest, 0);
    s.press(&s, true);
    step(&s);
    s.unplug(&s);
    step(&s);
    step(&s);
    ck_assert_uint_eq(nplug_device_count(s.nest), 0);
    ck_assert(!nplug_held(s.nest, 1, HORN));
    s.plug(&s);
    step(&s);
    step(&s);
    ck_assert_uint_eq(nplug_device_count(s.nest), 1);
    ck_assert_uint_ne(nplug_device_at(s.nest, 0), first);
    end(&s);
}
END_TEST

/* A port that is detached takes its devices along, and may be attached again. */
START_TEST(a_port_comes_and_goes)
{
    const nplug_port *table;
    subject s;

    begin(&s, _i, &table);
    for (int i = 0; i < 3; i++) {
        ck_assert_uint_eq(nplug_device_count(s.nest), 1);
        s.press(&s, true);
        step(&s);
        ck_assert(nplug_held(s.nest, 1, HORN));
        ck_assert_int_eq(nplug_detach(s.nest, s.self), NPLUG_OK);
        ck_assert_int_eq(nplug_detach(s.nest, s.self), NPLUG_ERR_UNKNOWN);
        step(&s);
        ck_assert_uint_eq(nplug_device_count(s.nest), 0);
        ck_assert(!nplug_held(s.nest, 1, HORN));
        ck_assert_int_eq(nplug_attach(s.nest, table, s.self), NPLUG_OK);
        s.press(&s, false);
        if (s.unplug) s.unplug(&s);
        step(&s);
        s.plug(&s);
        step(&s);
        step(&s);
    }
    end(&s);
}
END_TEST

/* Unknown numbers, effects for nobody, and stopping in the middle are no harm. */
START_TEST(odd_questions_and_stopping_are_no_harm)
{
    nplug_effect effect = {.device = 77, .strong = 1.0f, .duration_ms = 10};
    const nplug_port *table;
    subject s;

    begin(&s, _i, &table);
    table->resync(s.self, 4000);
    if (table->effect) table->effect(s.self, &effect);
    s.press(&s, true);
    step(&s);
    ck_assert_uint_eq(nplug_device_count(s.nest), 1);
    end(&s);
}
END_TEST

Suite *conform_suite(void)
{
    Suite *suite = suite_create("conform");
    TCase *tests = tcase_create("conform");
    int rows = (int)COUNT_OF(subjects);

    tcase_add_loop_test(tests, presses_arrive_all_in_order_and_once, 0, rows);
    tcase_add_loop_test(tests, values_are_exact_and_moments_stay_whole, 0, rows);
    tcase_add_loop_test(tests, a_resync_tells_the_present_state, 0, rows);
    tcase_add_loop_test(tests, a_departure_is_one_and_a_return_another_device, 0, rows - 1);
    tcase_add_loop_test(tests, a_port_comes_and_goes, 0, rows);
    tcase_add_loop_test(tests, odd_questions_and_stopping_are_no_harm, 0, rows);
    suite_add_tcase(suite, tests);
    return suite;
}
