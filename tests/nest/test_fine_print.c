/* The fine print of the headers: what happens at the very limit of a time, in which order a value
 * is shaped, what stays and what goes along as devices change hands, and whose device comes back.
 */
#include "story.h"
#include <jansson.h>
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* --- shaping ---------------------------------------------------------------------------------- */

/* A shaping as action.h says it, by itself. */
typedef struct plain_shaping {
    int zone; /* 0 rescaled, 1 radial, 2 axial */
    bool circle, invert_x, invert_y;
    double dead, outer, power, lift, scale, curve[2];
} plain_shaping;

static double cut(double value)
{
    return value > 1.0 ? 1.0 : value < -1.0 ? -1.0 : value;
}

static double plain_distance(const plain_shaping *s, double x)
{
    if (x <= s->dead) return 0.0;
    if (x >= s->outer)
        x = 1.0;
    else if (s->zone == 0)
        x = (x - s->dead) / (s->outer - s->dead);
    x = pow(x, s->power);
    if (x < s->curve[0])
        x = x / s->curve[0] * s->curve[1];
    else if (s->curve[0] < 1.0)
        x = s->curve[1] + (x - s->curve[0]) / (1.0 - s->curve[0]) * (1.0 - s->curve[1]);
    x = s->lift + (1.0 - s->lift) * x;
    return x * s->scale;
}

static void plain_shape(const plain_shaping *s, double value[2])
{
    double length = hypot(value[0], value[1]);

    if (s->circle && length > 1.0) {
        value[0] /= length;
        value[1] /= length;
    }
    length = hypot(value[0], value[1]);
    for (int i = 0; i < 2; i++) {
        if (s->zone == 2)
            value[i] = copysign(plain_distance(s, fabs(value[i])), value[i]);
        else if (length > 0.0)
            value[i] *=
                plain_distance(s, length > 1.0 ? 1.0 : length) / fmax(fmin(length, 1.0), 0.0);
        value[i] = cut(value[i]);
    }
    if (s->invert_x) value[0] = -value[0];
    if (s->invert_y) value[1] = -value[1];
}

static plain_shaping any_shaping(char *text, size_t size)
{
    static const char *const zones[] = {"rescaled", "radial", "axial"}, *const inverts[] = {
                                                                            "", " invert=x",
                                                                            " invert=y",
                                                                            " invert=xy"};
    int invert = rand() % 4, curve = rand() % 2;
    plain_shaping s = {rand() % 3,
                       rand() % 2,
                       invert & 1,
                       invert & 2,
                       rand() % 40 / 100.0,
                       (60 + rand() % 41) / 100.0,
                       (2 + rand() % 12) / 4.0,
                       rand() % 50 / 100.0,
                       (20 + rand() % 200) / 100.0,
                       {1.0, 1.0}};

    if (curve) s.curve[0] = (20 + rand() % 60) / 100.0;
    if (curve) s.curve[1] = rand() % 100 / 100.0;
    snprintf(text, size,
             "pad:stick-left%s scale=%.2f lift=%.2f curve=%.2f:%.2f power=%.2f outer=%.2f "
             "dead=%.2f zone=%s%s",
             s.circle ? " gate=circle" : "", s.scale, s.lift, s.curve[0], s.curve[1], s.power,
             s.outer, s.dead, zones[s.zone], inverts[invert]);
    return s;
}

/* In whatever order the text names them, options shape in the order of the header. */
TESTS(options_shape_in_the_order_of_the_header, 10)
{
    char text[200];
    nplug_action_def action = {"steer", NPLUG_ACTION_VECTOR, text, 0};
    test_rig rig;

    srand((unsigned)_i + 1);
    for (int n = 0; n < 40; n++) {
        plain_shaping s = any_shaping(text, sizeof text);
        nplug_game game = nplug_game_for_one("order", &action, 1);
        rig_open(&rig, &game, NULL);
        nplug_sim_plug(rig.sim, 0, "pad", "heron");
        for (nplug_time now = 10 * MS; now < 100 * MS; now += 10 * MS) {
            double angle = rand() % 6283 / 1000.0, far = rand() % 1001 / 1000.0, value[2];
            nplug_vec2 to = {(float)(far * cos(angle)), (float)(far * sin(angle))}, is;
            nplug_sim_sweep(rig.sim, now, "pad", "stick-left", to, 0);
            rig_step(&rig, now);
            to = rig_control(&rig, 0, "pad:stick-left");
            is = nplug_vector(rig.nest, 1, 0);
            value[0] = (double)to.x;
            value[1] = (double)to.y;
            plain_shape(&s, value);
            ck_assert_msg(fabs(value[0] - (double)is.x) < 1e-4 &&
                              fabs(value[1] - (double)is.y) < 1e-4,
                          "%s: (%f, %f) gives (%f, %f), not (%f, %f)", text, (double)to.x,
                          (double)to.y, (double)is.x, (double)is.y, value[0], value[1]);
        }
        rig_close(&rig);
    }
}

/* --- chords and layers ------------------------------------------------------------------------ */

/* `observe` is the higher binding's to say; on the lower one it opens nothing. */
TESTS(observe_is_for_the_higher_layer, 4)
{
    static const nplug_layer_def layers[] = {{"deck", 0, true}, {"crane", 5, true}};
    const nplug_action_def actions[] = {
        {"horn", NPLUG_ACTION_BUTTON, _i & 1 ? "pad:south observe" : "pad:south", 0},
        {"hook", NPLUG_ACTION_BUTTON, _i & 2 ? "pad:south observe" : "pad:south", 1}};
    nplug_game game = nplug_game_for_one("layers", actions, 2);
    test_rig rig;

    game.layers = layers;
    game.layer_count = 2;
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_press(rig.sim, MS, "pad", "south", 0);
    rig_step(&rig, 2 * MS);
    ck_assert(nplug_held(rig.nest, 1, 1));
    ck_assert_int_eq(nplug_held(rig.nest, 1, 0), (_i & 2) != 0);
    ck_assert(!nplug_layer_on(rig.nest, 1, 2) && !nplug_layer_on(rig.nest, 1, 32) &&
              !nplug_layer_on(rig.nest, 1, NPLUG_NO_LAYER));
    rig_close(&rig);
}

/* --- seats ------------------------------------------------------------------------------------ */

static void open_pads(test_rig *rig, const nplug_action_def *actions,
                      const nplug_action_policy *rule)
{
    nplug_game game = nplug_game_for("seats", actions, 2, 4);

    game.policies = rule;
    game.policy_count = rule != NULL;
    rig_open(rig, &game, NULL);
}

static void plug(test_rig *rig, nplug_time time, const char *name, const char *serial,
                 const char *socket)
{
    nplug_move move = {.kind = NPLUG_MOVE_ARRIVE,
                       .time = time,
                       .on = name,
                       .what = "heron",
                       .serial = serial,
                       .socket = socket};
    ck_assert_int_eq(nplug_sim_move(rig->sim, &move), NPLUG_OK);
}

static const nplug_action_def seat_actions[] = {
    {"pull", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0},
    {"look up", NPLUG_ACTION_BUTTON, "pad:stick-left.up", 0}};

static uint32_t players_of(const test_rig *rig, uint32_t place)
{
    return nplug_part_players(rig->nest, nplug_device_at(rig->nest, place), 0);
}

/* Who misses two of one sort has both back, the one that left last first. */
TESTS(two_of_a_sort_come_back_to_their_player, 2)
{
    nplug_device second;
    test_rig rig;

    open_pads(&rig, seat_actions, NULL);
    plug(&rig, 0, "one", NULL, NULL);
    plug(&rig, 0, "two", NULL, NULL);
    rig_step(&rig, MS);
    second = nplug_device_at(rig.nest, 1);
    nplug_claim(rig.nest, nplug_device_at(rig.nest, 0), 3);
    nplug_claim(rig.nest, second, _i ? 4 : 3);
    rig_step(&rig, 2 * MS);
    nplug_sim_unplug(rig.sim, 10 * MS, "one");
    nplug_sim_unplug(rig.sim, 20 * MS, "two");
    rig_step(&rig, 30 * MS);
    ck_assert_uint_eq(nplug_missed_count(rig.nest, 3), _i ? 1 : 2);
    plug(&rig, 40 * MS, "three", NULL, NULL);
    rig_step(&rig, 50 * MS);
    ck_assert_uint_eq(players_of(&rig, 0), _i ? 0u : 4u);
    if (_i == 0) ck_assert_uint_ne(nplug_missed_at(rig.nest, 3, 0), second);
    plug(&rig, 60 * MS, "four", NULL, NULL);
    rig_step(&rig, 70 * MS);
    ck_assert_uint_eq(players_of(&rig, 1), _i ? 0u : 4u);
    rig_close(&rig);
}

/* Two different serial numbers are two pads; one pad may change its socket. */
TESTS(a_serial_number_tells_and_a_socket_does_not, 8)
{
    static const struct {
        const char *serial, *socket, *serial_after, *socket_after;
        bool returns;
    } rows[] = {{"A1", "s1", "A1", "s1", true},  {"A1", "s1", "A1", "s2", true},
                {"A1", "s1", "A2", "s1", false}, {"A1", "s1", "A2", "s2", false},
                {"A1", "s1", NULL, "s2", true},  {NULL, "s1", "A2", "s2", true},
                {NULL, "s1", NULL, "s2", true},  {NULL, NULL, NULL, NULL, true}};
    test_rig rig;

    open_pads(&rig, seat_actions, NULL);
    plug(&rig, 0, "one", rows[_i].serial, rows[_i].socket);
    nplug_sim_press(rig.sim, MS, "one", "south", MS);
    rig_step(&rig, 5 * MS);
    nplug_sim_unplug(rig.sim, 10 * MS, "one");
    rig_step(&rig, 15 * MS);
    plug(&rig, 20 * MS, "again", rows[_i].serial_after, rows[_i].socket_after);
    rig_step(&rig, 30 * MS);
    ck_assert_uint_eq(players_of(&rig, 0), rows[_i].returns ? 1u : 0u);
    rig_close(&rig);
}

/* Which part a key is in can be asked of any key. */
TEST(a_key_tells_its_part)
{
    static const nplug_part_def parts[] = {{"left", "KeyW,KeyA,mouse"}, {"right", "ArrowUp"}};
    nplug_game game = nplug_game_for("parts", seat_actions, 2, 2);
    test_rig rig;

    game.parts = parts;
    game.part_count = 2;
    rig_open(&rig, &game, NULL);
    ck_assert_uint_eq(nplug_control_part(rig.nest, nplug_control_named("key:KeyA")), 1);
    ck_assert_uint_eq(nplug_control_part(rig.nest, nplug_control_named("mouse:wheel")), 1);
    ck_assert_uint_eq(nplug_control_part(rig.nest, nplug_control_named("key:ArrowUp")), 2);
    ck_assert_uint_eq(nplug_control_part(rig.nest, nplug_control_named("key:KeyB")), 0);
    ck_assert_uint_eq(nplug_control_part(rig.nest, nplug_control_named("pad:south")), 0);
    ck_assert_uint_eq(nplug_control_part(rig.nest, 0), 0);
    ck_assert_uint_eq(nplug_control_part(NULL, nplug_control_named("key:KeyA")), 0);
    rig_close(&rig);
}

/* --- stories -----------------------------------------------------------------------------------
 */

static const told_story stories[] = {
    /* A sum is cut at the ends of a component, whatever its bindings can reach. */
    {"a sum is cut at the ends",
     "vector walk = keys:KeyW,KeyS,KeyA,KeyD | pad:stick-left scale=0.5 | pad:stick-right "
     "scale=0.2; "
     "level pull = pad:trigger-left scale=0.4 | pad:trigger-right scale=0.4; rule walk added; "
     "rule pull added; 0 plug pad heron; 0 plug keys turnstone; 1 press keys KeyD; "
     "1 sweep pad stick-left 0 1; 1 sweep pad stick-right 1; 1 sweep pad trigger-left 1; "
     "1 sweep pad trigger-right 1; 2: vector 1 walk 1; vector 1 walk - 0.5; level 1 pull 0.8"},
    /* A chord takes the key that it drives out of four keys, and gives it back with the next press.
     */
    {"a chord takes one key of four",
     "vector walk = keys:KeyW,KeyS,KeyA,KeyD; button dive = key:ShiftLeft+key:KeyA; "
     "0 plug keys turnstone; 1 press keys ShiftLeft; 1 press keys KeyW; 1 press keys KeyA 20; "
     "10: held 1 dive; vector 1 walk 0; vector 1 walk - 1; 30 release keys ShiftLeft; "
     "40 press keys KeyA; 50: vector 1 walk <-0.5"},
    /* A direction of a stick is a press of its action, by nobody: it seats nobody. */
    {"a direction is heard and seats nobody",
     "level pull = pad:trigger-right; button look-up = pad:stick-left.up; players 4; "
     "0 plug one heron; 1 sweep one stick-left 0 1; 2: presses 0 look-up 1; not seated 1"},
};

STORIES(stories)
