/* Shaping: what bindings make of values, and what is a press; by the same texts that games use. */
#include "support.h"
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* A game of one action with one pad (or keyboard), by its binding text. */
typedef struct one_action {
    nplug_action_def def;
    nplug_game game;
    test_rig rig;
    nplug_time now;
} one_action;

static void open_one(one_action *o, nplug_action_kind kind, const char *from, const char *model)
{
    o->def = (nplug_action_def){"it", kind, from, 0};
    o->game = nplug_game_for_one("one", &o->def, 1);
    o->now = 0;
    rig_open(&o->rig, &o->game, NULL);
    nplug_sim_plug(o->rig.sim, 0, "it", model);
    rig_step(&o->rig, o->now);
}

static nplug_vec2 put(one_action *o, const char *control, float x, float y)
{
    nplug_sim_sweep(o->rig.sim, o->now += 1000, "it", control, (nplug_vec2){x, y}, 0);
    rig_step(&o->rig, o->now);
    return nplug_vector(o->rig.nest, 1, 0);
}

static float length(nplug_vec2 v)
{
    return sqrtf(v.x * v.x + v.y * v.y);
}

/* What each option does, at a place where it shows. */
static const struct {
    const char *from, *model, *control;
    nplug_action_kind kind;
    nplug_vec2 at, gives;
} rows[] = {
    {"pad:trigger-left dead=0.2",
     "heron",
     "trigger-left",
     NPLUG_ACTION_LEVEL,
     {0.6f, 0},
     {0.5f, 0}},
    {"pad:trigger-left dead=0.2 zone=radial",
     "heron",
     "trigger-left",
     NPLUG_ACTION_LEVEL,
     {0.6f, 0},
     {0.6f, 0}},
    {"pad:trigger-left dead=0.2 outer=0.8",
     "heron",
     "trigger-left",
     NPLUG_ACTION_LEVEL,
     {0.8f, 0},
     {1, 0}},
    {"pad:trigger-left power=2",
     "heron",
     "trigger-left",
     NPLUG_ACTION_LEVEL,
     {0.5f, 0},
     {0.25f, 0}},
    {"pad:trigger-left power=1.5",
     "heron",
     "trigger-left",
     NPLUG_ACTION_LEVEL,
     {0.25f, 0},
     {0.125f, 0}},
    {"pad:trigger-left power=0.25",
     "heron",
     "trigger-left",
     NPLUG_ACTION_LEVEL,
     {0.0625f, 0},
     {0.5f, 0}},
    {"pad:trigger-left curve=0.5:0.1",
     "heron",
     "trigger-left",
     NPLUG_ACTION_LEVEL,
     {0.75f, 0},
     {0.55f, 0}},
    {"pad:trigger-left curve=0.5:0.1/0.8:0.8",
     "heron",
     "trigger-left",
     NPLUG_ACTION_LEVEL,
     {0.25f, 0},
     {0.05f, 0}},
    {"pad:trigger-left lift=0.3",
     "heron",
     "trigger-left",
     NPLUG_ACTION_LEVEL,
     {0.5f, 0},
     {0.65f, 0}},
    {"pad:trigger-left scale=0.5", "heron", "trigger-left", NPLUG_ACTION_LEVEL, {1, 0}, {0.5f, 0}},
    {"pad:trigger-left scale=3", "heron", "trigger-left", NPLUG_ACTION_LEVEL, {0.5f, 0}, {1, 0}},
    {"pad:trigger-left invert=x",
     "heron",
     "trigger-left",
     NPLUG_ACTION_LEVEL,
     {0.5f, 0},
     {-0.5f, 0}},
    {"pad:stick-left dead=0.2 zone=axial",
     "heron",
     "stick-left",
     NPLUG_ACTION_VECTOR,
     {0.9f, 0.1f},
     {0.9f, 0}},
    {"pad:stick-left dead=0.2 zone=radial",
     "heron",
     "stick-left",
     NPLUG_ACTION_VECTOR,
     {0.9f, 0.1f},
     {0.9f, 0.1f}},
    {"pad:stick-left dead=0.5", "heron", "stick-left", NPLUG_ACTION_VECTOR, {0.6f, 0}, {0.2f, 0}},
    {"pad:stick-left invert=y",
     "heron",
     "stick-left",
     NPLUG_ACTION_VECTOR,
     {0.5f, 0.5f},
     {0.5f, -0.5f}},
    {"pad:stick-left gate=circle",
     "whimbrel",
     "stick-left",
     NPLUG_ACTION_VECTOR,
     {1, 1},
     {0.70710678f, 0.70710678f}},
    {"pad:stick-left gate=circle",
     "heron",
     "stick-left",
     NPLUG_ACTION_VECTOR,
     {0.6f, 0.6f},
     {0.6f, 0.6f}},
    {"pad:stick-left", "whimbrel", "stick-left", NPLUG_ACTION_VECTOR, {1, 1}, {1, 1}},
};

TESTS(each_option_does_what_it_says, COUNT_OF(rows))
{
    one_action o;
    nplug_vec2 value;

    open_one(&o, rows[_i].kind, rows[_i].from, rows[_i].model);
    value = put(&o, rows[_i].control, rows[_i].at.x, rows[_i].at.y);
    ck_assert_float_eq_tol(value.x, rows[_i].gives.x, 0.002f);
    ck_assert_float_eq_tol(value.y, rows[_i].gives.y, 0.002f);
    value = put(&o, rows[_i].control, 0, 0);
    ck_assert_float_eq(value.x, 0.0f);
    ck_assert_float_eq(value.y, 0.0f);
    rig_close(&o.rig);
}

static void random_text(char *text, size_t size)
{
    static const char *const zones[] = {"rescaled", "radial", "axial"};
    int dead = rand() % 40,
        used = snprintf(text, size, "pad:stick-left dead=0.%02d zone=%s", dead, zones[rand() % 3]);

    if (rand() % 2)
        used += snprintf(text + used, size - (size_t)used, " outer=0.%02d", 50 + rand() % 50);
    if (rand() % 2)
        used += snprintf(text + used, size - (size_t)used, " power=%d.%d", rand() % 3 + 1,
                         rand() % 2 * 5);
    if (rand() % 2) used += snprintf(text + used, size - (size_t)used, " lift=0.%d", rand() % 9);
    if (rand() % 2)
        snprintf(text + used, size - (size_t)used, " curve=0.3:0.%d/0.7:0.%d", rand() % 4,
                 4 + rand() % 5);
}

/* Whatever is asked for: rest stays rest, the ends stay ends, and further out is never less. */
TESTS(shaping_never_falls_and_keeps_rest_and_ends, 24)
{
    char text[160];
    float last = 0.0f;
    one_action o;

    srand((unsigned)_i + 1);
    random_text(text, sizeof text);
    open_one(&o, NPLUG_ACTION_VECTOR, text, "heron");
    for (int i = 0; i <= 200; i++) {
        float x = (float)i / 200.0f, is = length(put(&o, "stick-left", -x, 0));
        ck_assert_msg(is >= last && is <= 1.0f, "%s at %f: %f after %f", text, (double)x,
                      (double)is, (double)last);
        last = is;
    }
    ck_assert_float_eq(put(&o, "stick-left", -1, 0).x, -1.0f);
    ck_assert_float_eq(put(&o, "stick-left", 0, 1).y, 1.0f);
    ck_assert_float_eq(length(put(&o, "stick-left", 0, 0)), 0.0f);
    rig_close(&o.rig);
}

/* The raw signal, the normalised control and the shaped value can each be read. */
TEST(all_three_values_can_be_read)
{
    NPLUG_SIZED(nplug_signal_facts, signal);
    one_action o;

    open_one(&o, NPLUG_ACTION_LEVEL, "pad:trigger-left dead=0.5", "heron");
    ck_assert_float_eq_tol(put(&o, "trigger-left", 0.75f, 0).x, 0.5f, 0.002f);
    nplug_signal_info(o.rig.nest, nplug_device_at(o.rig.nest, 0), 2, &signal);
    ck_assert_int_eq(signal.raw, 767);
    ck_assert_float_eq_tol(rig_control(&o.rig, 0, "pad:trigger-left").x, 0.75f, 0.001f);
    rig_close(&o.rig);
}

/* --- presses ---------------------------------------------------------------------------------- */

/* --- ramps ------------------------------------------------------------------------------------ */

/* --- wrong texts ------------------------------------------------------------------------------ */

static const struct {
    const char *from, *says;
} wrong[] = {
    {"pad:trigger-left dead=1", "dead= takes 0 to 0.99"},
    {"pad:trigger-left dead=x", "dead= takes"},
    {"pad:trigger-left dead=0.5 outer=0.4", "outer= must be more than dead="},
    {"pad:trigger-left power=1.3", "power= takes 0.25 to 8"},
    {"pad:trigger-left power=9", "power= takes"},
    {"pad:trigger-left curve=0.5", "curve= takes"},
    {"pad:trigger-left curve=0.5:0.2/0.4:0.3", "curve= takes"},
    {"pad:trigger-left curve=0.1:0.1/0.2:0.2/0.3:0.3/0.4:0.4/0.5:0.5/0.6:0.6/0.7:0.7",
     "curve= takes"},
    {"pad:trigger-left zone=square", "zone= takes rescaled, radial or axial"},
    {"pad:trigger-left invert=z", "invert= takes"},
    {"pad:stick-left.y invert=y", "a level has one number: invert=x turns it"},
    {"pad:trigger-left gate=round", "gate= takes circle"},
    {"pad:trigger-left press=0.3 release=0.4", "release= must not be above press="},
    {"pad:trigger-left rise=0", "rise= takes"},
    {"pad:trigger-left deed=0.1", "is no option"},
};

TESTS(a_wrong_option_is_told, COUNT_OF(wrong))
{
    nplug_action_def def = {"it", NPLUG_ACTION_LEVEL, wrong[_i].from, 0};
    nplug_game game = nplug_game_for_one("wrong", &def, 1);
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_ERR_BINDING);
    ck_assert_msg(strstr(rig.log, wrong[_i].says) != NULL, "%s: %s", wrong[_i].from, rig.log);
    rig_close(&rig);
}
