/* Shaping: what bindings make of values, and what is a press; by the same texts that games use. */
#include "story.h"
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
static const told_story options[] = {
    {"pad:trigger-left dead=0.2", "level it = pad:trigger-left dead=0.2; plug it heron; 0:; 1 "
                                  "sweep it trigger-left 0.6 0; 1: level 1 it 0.5~0.001"},
    {"pad:trigger-left dead=0.2 zone=radial",
     "level it = pad:trigger-left dead=0.2 zone=radial; plug it heron; 0:; 1 sweep it trigger-left "
     "0.6 0; 1: level 1 it 0.6~0.001"},
    {"pad:trigger-left dead=0.2 outer=0.8",
     "level it = pad:trigger-left dead=0.2 outer=0.8; plug it heron; 0:; 1 sweep it trigger-left "
     "0.8 0; 1: level 1 it 1~0.001"},
    {"pad:trigger-left power=2", "level it = pad:trigger-left power=2; plug it heron; 0:; 1 sweep "
                                 "it trigger-left 0.5 0; 1: level 1 it 0.25~0.001"},
    {"pad:trigger-left power=1.5", "level it = pad:trigger-left power=1.5; plug it heron; 0:; 1 "
                                   "sweep it trigger-left 0.25 0; 1: level 1 it 0.125~0.001"},
    {"pad:trigger-left power=0.25", "level it = pad:trigger-left power=0.25; plug it heron; 0:; 1 "
                                    "sweep it trigger-left 0.0625 0; 1: level 1 it 0.5~0.001"},
    {"pad:trigger-left curve=0.5:0.1",
     "level it = pad:trigger-left curve=0.5:0.1; plug it heron; 0:; 1 sweep it trigger-left 0.75 "
     "0; 1: level 1 it 0.55~0.001"},
    {"pad:trigger-left curve=0.5:0.1/0.8:0.8",
     "level it = pad:trigger-left curve=0.5:0.1/0.8:0.8; plug it heron; 0:; 1 sweep it "
     "trigger-left 0.25 0; 1: level 1 it 0.05~0.001"},
    {"pad:trigger-left lift=0.3", "level it = pad:trigger-left lift=0.3; plug it heron; 0:; 1 "
                                  "sweep it trigger-left 0.5 0; 1: level 1 it 0.65~0.001"},
    {"pad:trigger-left scale=0.5", "level it = pad:trigger-left scale=0.5; plug it heron; 0:; 1 "
                                   "sweep it trigger-left 1 0; 1: level 1 it 0.5~0.001"},
    {"pad:trigger-left scale=3", "level it = pad:trigger-left scale=3; plug it heron; 0:; 1 sweep "
                                 "it trigger-left 0.5 0; 1: level 1 it 1~0.001"},
    {"pad:trigger-left invert=x", "level it = pad:trigger-left invert=x; plug it heron; 0:; 1 "
                                  "sweep it trigger-left 0.5 0; 1: level 1 it -0.5~0.001"},
    {"pad:stick-left dead=0.2 zone=axial",
     "vector it = pad:stick-left dead=0.2 zone=axial; plug it heron; 0:; 1 sweep it stick-left 0.9 "
     "0.1; 1: vector 1 it 0.9~0.001 0~0.001"},
    {"pad:stick-left dead=0.2 zone=radial",
     "vector it = pad:stick-left dead=0.2 zone=radial; plug it heron; 0:; 1 sweep it stick-left "
     "0.9 0.1; 1: vector 1 it 0.9~0.001 0.1~0.001"},
    {"pad:stick-left dead=0.5", "vector it = pad:stick-left dead=0.5; plug it heron; 0:; 1 sweep "
                                "it stick-left 0.6 0; 1: vector 1 it 0.2~0.001 0~0.001"},
    {"pad:stick-left invert=y", "vector it = pad:stick-left invert=y; plug it heron; 0:; 1 sweep "
                                "it stick-left 0.5 0.5; 1: vector 1 it 0.5~0.001 -0.5~0.001"},
    {"pad:stick-left gate=circle",
     "vector it = pad:stick-left gate=circle; plug it whimbrel; 0:; 1 sweep it stick-left 1 1; 1: "
     "vector 1 it 0.707107~0.001 0.707107~0.001"},
    {"pad:stick-left gate=circle",
     "vector it = pad:stick-left gate=circle; plug it heron; 0:; 1 sweep it stick-left 0.6 0.6; 1: "
     "vector 1 it 0.6~0.001 0.6~0.001"},
    {"pad:stick-left", "vector it = pad:stick-left; plug it whimbrel; 0:; 1 sweep it stick-left 1 "
                       "1; 1: vector 1 it 1~0.001 1~0.001"},
};

STORIES(options)

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
