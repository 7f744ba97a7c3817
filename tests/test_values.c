/* Values: exact at rest and at the ends, never falling, the same with guards as without. */
#include "core/nest/nest.h"
#include "core/base/base.h"
#include "support.h"
#include <math.h>
#include <stdlib.h>
#include <string.h>

static const struct {
    int32_t low, rest, high;
} ranges[] = {{0, 128, 255},
              {-32768, 0, 32767},
              {3, 509, 1019},
              {INT32_MIN, 0, INT32_MAX},
              {INT32_MIN, -77, INT32_MAX},
              {0, 0, 1023},
              {0, 255, 255},
              {-100000007, 12345, 200000033}};

/* A sample of raw values that holds the ends, the rest, and their neighbours. */
static int32_t sample(unsigned range, unsigned i, unsigned count)
{
    int64_t low = ranges[range].low, high = ranges[range].high;

    if (i == 0) return (int32_t)(low > INT32_MIN ? low - 1 : low);
    if (i == count - 1) return (int32_t)(high < INT32_MAX ? high + 1 : high);
    return (int32_t)(low + (high - low) * (int64_t)i / (int64_t)count);
}

TESTS(ends_and_rest_are_exact_and_values_never_fall, COUNT_OF(ranges))
{
    int32_t low = ranges[_i].low, rest = ranges[_i].rest, high = ranges[_i].high;
    float last = -1.0f;

    ck_assert_float_eq(np_number_normal(low, rest, high, rest), 0.0f);
    ck_assert_float_eq(np_number_normal(low, rest, high, high), rest == high ? 0.0f : 1.0f);
    ck_assert_float_eq(np_number_normal(low, rest, high, low), rest == low ? 0.0f : -1.0f);
    for (unsigned i = 0; i < 20000; i++) {
        float value = np_number_normal(low, rest, high, sample(_i, i, 20000));
        ck_assert(value >= last && value <= 1.0f && value >= -1.0f);
        ck_assert(value == 0.0f || fabsf(value) >= 1e-30f); /* no subnormals */
        last = value;
    }
}

TEST(impossible_ranges_give_rest)
{
    ck_assert_float_eq(np_number_normal(7, 7, 7, 9), 0.0f);
    ck_assert_float_eq(np_number_normal(0, 255, 255, 256), 0.0f); /* a little beyond its rest */
    ck_assert_float_eq(np_number_normal(0, 0, 255, -1), 0.0f);
    ck_assert_float_eq(np_number_normal(10, 0, -10, 3), 0.0f);
    ck_assert_float_eq(np_number_normal(0, -50, 100, 100), 1.0f);
    ck_assert_float_eq(np_number_normal(0, 500, 100, 0), -1.0f);
    ck_assert_int_eq(np_number_middle(0, 255), 128);
    ck_assert_int_eq(np_number_middle(INT32_MIN, INT32_MAX), 0);
}

/* Each control of the pad through its whole physical range: rest, ends and signs are right. */
TEST(a_pad_is_normalised)
{
    static const struct {
        const char *move, *control;
        nplug_vec2 to;
    } rows[] = {{"stick-left", "pad:stick-left", {1.0f, 1.0f}},
                {"stick-left", "pad:stick-left", {-1.0f, -1.0f}},
                {"stick-right", "pad:stick-right", {-1.0f, 1.0f}},
                {"trigger-left", "pad:trigger-left", {1.0f, 0.0f}},
                {"trigger-right", "pad:trigger-right", {1.0f, 0.0f}},
                {"dpad-up", "pad:dpad-up", {1.0f, 0.0f}},
                {"dpad-right", "pad:dpad-right", {1.0f, 0.0f}},
                {"north", "pad:north", {1.0f, 0.0f}}};
    nplug_vec2 zero = {0.0f, 0.0f}, value;
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    for (unsigned i = 0; i < COUNT_OF(rows); i++) {
        nplug_time t = (i + 1) * 100000;
        nplug_sim_sweep(rig.sim, t, "pad", rows[i].move, rows[i].to, 20000);
        nplug_sim_sweep(rig.sim, t + 50000, "pad", rows[i].move, zero, 20000);
        rig_step(&rig, t + 30000);
        value = rig_control(&rig, 0, rows[i].control);
        ck_assert_float_eq(value.x, rows[i].to.x);
        ck_assert_float_eq(value.y, rows[i].to.y);
        rig_step(&rig, t + 90000);
        value = rig_control(&rig, 0, rows[i].control);
        ck_assert_float_eq(value.x, 0.0f);
        ck_assert_float_eq(value.y, 0.0f);
        ck_assert(!signbit(value.x) && !signbit(value.y));
    }
    ck_assert_uint_eq(nplug_sim_failures(rig.sim, NULL), 0);
    rig_close(&rig);
}

TEST(a_signal_that_has_said_nothing_is_at_rest)
{
    NPLUG_SIZED(nplug_signal_facts, signal);
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    rig_step(&rig, 0);
    for (uint32_t i = 0; i < 19; i++) {
        NPLUG_SIZED(nplug_control_facts, info);
        ck_assert_int_eq(nplug_control_info(rig.nest, nplug_device_at(rig.nest, 0), i, &info),
                         NPLUG_OK);
        ck_assert_float_eq(info.value.x, 0.0f);
        ck_assert(!info.down);
    }
    nplug_signal_info(rig.nest, nplug_device_at(rig.nest, 0), 2, &signal); /* a trigger */
    ck_assert_int_eq(signal.raw, 0);
    ck_assert(!signal.heard);
    rig_close(&rig);
}

TEST(deltas_are_summed_within_a_step_and_gone_after_it)
{
    nplug_game game = harbour_for(1);
    nplug_move move = {.kind = NPLUG_MOVE_SIGNAL, .on = "mouse", .space = NPLUG_SPACE_EVDEV};
    nplug_vec2 look;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "mouse", "stint");
    for (int i = 1; i <= 10; i++) {
        move.time = (nplug_time)(1000 + i);
        move.code = (2u << 16) | (unsigned)(i % 2); /* REL_X, REL_Y in turn */
        move.value = i;
        nplug_sim_move(rig.sim, &move);
    }
    rig_step(&rig, 5000);
    look = nplug_motion(rig.nest, 1, LOOK);
    ck_assert_float_eq(look.x, 2 + 4 + 6 + 8 + 10);
    ck_assert_float_eq(look.y, -(1 + 3 + 5 + 7 + 9)); /* the hardware's y is down */
    rig_step(&rig, 6000);
    look = nplug_motion(rig.nest, 1, LOOK);
    ck_assert_float_eq(look.x, 0.0f);
    ck_assert_float_eq(look.y, 0.0f);
    rig_close(&rig);
}

/* One random hand on two nests, one of which has all guards emptied before every step: the same
 * digests, so a guard never hides what a stage should see. */
TESTS(guards_change_nothing, 5)
{
    static const char *const controls[] = {"trigger-left", "trigger-right", "stick-left",
                                           "dpad-left",    "west",          "south"};
    nplug_game game = harbour_for(2);
    test_rig with, without;

    srand((unsigned)_i + 77);
    rig_open(&with, &game, NULL);
    rig_open(&without, &game, NULL);
    nplug_sim_plug(with.sim, 0, "pad", "heron");
    nplug_sim_plug(without.sim, 0, "pad", "heron");
    for (unsigned i = 0; i < 400; i++) {
        const char *control = controls[rand() % 6];
        nplug_vec2 to = {(float)(rand() % 11) / 10.0f, (float)(rand() % 21 - 10) / 10.0f};
        nplug_time at = i * 3000, span = (nplug_time)(rand() % 20000);
        nplug_sim_sweep(with.sim, at, "pad", control, to, span);
        nplug_sim_sweep(without.sim, at, "pad", control, to, span);
    }
    nplug_switch_layer(with.nest, NPLUG_EVERYONE, 1, true);
    nplug_switch_layer(without.nest, NPLUG_EVERYONE, 1, true);
    for (nplug_time t = 0; t < 1300000; t += 7001) {
        for (uint32_t d = 0; d < nplug_device_count(without.nest); d++)
            np_devices_unguard(&without.nest->device.devices, d);
        rig_step(&with, t);
        rig_step(&without, t);
        ck_assert_uint_eq(nplug_digest(with.nest), nplug_digest(without.nest));
    }
    ck_assert_uint_gt(counts_of(with.nest).reports, 1000);
    rig_close(&with);
    rig_close(&without);
}

TEST(names_of_controls_go_there_and_back)
{
    char name[64];
    unsigned known = 0, components;

    for (unsigned control = 0; control < 65536; control++) {
        if (nplug_control_name((nplug_control)control, name, sizeof name) == 0) continue;
        known++;
        ck_assert_uint_eq(nplug_control_named(name), control);
        nplug_control_nature((nplug_control)control, &components);
        ck_assert(components >= 1 && (components <= 3 || components == 7));
    }
    ck_assert_uint_gt(known, 150);
    ck_assert_uint_eq(nplug_control_named("pad:sauth"), 0);
    ck_assert_uint_eq(nplug_control_nearest("pad:sauth", (size_t)-1),
                      nplug_control_named("pad:south"));
    ck_assert_uint_eq(nplug_control_nearest("zebra", (size_t)-1), 0);
    ck_assert_uint_eq(nplug_control_name(0, name, sizeof name), 0);
    ck_assert_uint_eq(nplug_control_name(nplug_control_from_name("key:KeyW", 8), name, 4), 8);
    ck_assert_str_eq(name, "key");
}
