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
