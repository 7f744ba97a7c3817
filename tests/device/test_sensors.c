/* Motion sensors: a rigid pad is turned about at random, and what its sensors say of that, in the
 * axes of two sorts of hardware, must come out as the header's words say of the pad. */
#include "paper.h"
#include <math.h>
#include <stdlib.h>
#include <string.h>

#define EVERY    (4 * MS) /* a report */
#define GRAVITY  9.80665
#define DEGREE   (3.14159265358979 / 180.0)
#define COUNTS   1024 /* a degree a second */
#define COUNTS_G 8192

/* --- the pad --------------------------------------------------------------------------------- */

/* Right, up and to the person, each in the world's axes, of which y is up. */
typedef struct vec {
    double x, y, z;
} vec;

typedef struct body {
    vec right, up, back;
    vec rate; /* about the three, degrees a second, by the right hand */
} body;

static vec add(vec a, vec b, double by)
{
    return (vec){a.x + b.x * by, a.y + b.y * by, a.z + b.z * by};
}

static vec cross(vec a, vec b)
{
    return (vec){a.y * b.z - a.z * b.y, a.z * b.x - a.x * b.z, a.x * b.y - a.y * b.x};
}

static vec unit(vec a)
{
    double length = sqrt(a.x * a.x + a.y * a.y + a.z * a.z);
    return (vec){a.x / length, a.y / length, a.z / length};
}

/* A moment passes: each axis of the pad moves by the cross of the turn with it. */
static void turn(body *b, double seconds)
{
    vec w = add(add((vec){0, 0, 0}, b->right, b->rate.x), b->up, b->rate.y);

    w = add(w, b->back, b->rate.z);
    for (int i = 0; i < 20; i++) {
        b->right = unit(add(b->right, cross(w, b->right), DEGREE * seconds / 20));
        b->up = unit(add(b->up, cross(w, b->up), DEGREE * seconds / 20));
        b->back = cross(b->right, b->up);
    }
}

/* --- hardware ----------------------------------------------------------------------------------
 */

#define SENSED(code, resolution)                                                                   \
    {                                                                                              \
        EV(3, code), NPLUG_SPACE_EVDEV, NPLUG_NATURE_AXIS, -2097152, 2097152, SILENT, resolution,  \
            0, 0                                                                                   \
    }
static const paper_signal motion_signals[] = {SENSED(0, COUNTS_G), SENSED(1, COUNTS_G),
                                              SENSED(2, COUNTS_G), SENSED(3, COUNTS),
                                              SENSED(4, COUNTS),   SENSED(5, COUNTS)};
static const paper_signal pad_signals[] = {
    {ABS(0, -128, 127)}, {ABS(1, -128, 127)}, {ABS(3, -128, 127)}, {ABS(4, -128, 127)},
    {BTN(0x130)},        {BTN(0x131)},        {BTN(0x133)},        {BTN(0x134)},
    {BTN(0x136)},        {BTN(0x137)},        {BTN(0x13a)},        {BTN(0x13b)}};

/* Most hardware has the pad's own axes; that of one vendor to the front, to the left and up. */
static vec as_said(vec v, bool other)
{
    return other ? (vec){-v.z, -v.x, v.y} : v;
}

enum { AIM, LEAN, ROLL, TILT, SNAP, HORN_, ACTIONS };
static const nplug_action_def actions[ACTIONS] = {
    [AIM] = {"aim", NPLUG_ACTION_MOTION, "pad:turn", 0},
    [LEAN] = {"lean", NPLUG_ACTION_VECTOR, "pad:turn", 0},
    [ROLL] = {"roll", NPLUG_ACTION_LEVEL, "pad:roll", 0},
    [TILT] = {"tilt", NPLUG_ACTION_VECTOR, "pad:tilt", 0},
    [SNAP] = {"snap", NPLUG_ACTION_BUTTON, "pad:turn.up press=0.02 release=0.01", 0},
    [HORN_] = {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyH", 0}};

typedef struct play {
    paper_rig p;
    body body;
    vec bias; /* degrees a second, along the sensor's axes */
    vec said; /* the pad's rates as they were said last, in degrees a second, bias left out */
    bool other;
    nplug_device device;
    nplug_time now;
    nplug_vec2 moved; /* all that AIM moved */
    vec turned;       /* the integral of what was said */
    unsigned presses;
} play;

static double some(double least, double most)
{
    return least + (most - least) * rand() / RAND_MAX;
}

static void open_play(play *p, bool other, uint32_t players)
{
    nplug_game game = nplug_game_for("turn", actions, ACTIONS, players);
    paper_node pad = {3, 0x77, 1, 0, 0, "W-7", NULL, NULL, pad_signals, COUNT_OF(pad_signals)};
    paper_node motion = {3,
                         0x77,
                         1,
                         0,
                         NPLUG_PROPERTY_ACCELEROMETER,
                         "W-7",
                         NULL,
                         NULL,
                         motion_signals,
                         COUNT_OF(motion_signals)};

    memset(p, 0, sizeof *p);
    if (players == 1) game.seats = NPLUG_SEATS_ONE;
    p->other = other;
    pad.vendor = motion.vendor = other ? 0x057e : 0x77;
    p->body = (body){{1, 0, 0}, {0, 1, 0}, {0, 0, 1}, {0, 0, 0}};
    rig_open(&p->p.rig, &game, NULL);
    ck_assert_int_eq(nplug_attach(p->p.rig.nest, &hand_table, &p->p.port), NPLUG_OK);
    plug_paper_node(&p->p, 0, 1, &pad);
    plug_paper_node(&p->p, 0, 2, &motion);
    rig_step(&p->p.rig, MS);
    ck_assert_uint_eq(nplug_device_count(p->p.rig.nest), 1);
    p->device = nplug_device_at(p->p.rig.nest, 0);
    p->now = MS;
}

/* The sensors say what the pad does now. */
static void report(play *p)
{
    vec force = {p->body.right.y, p->body.up.y, p->body.back.y}; /* along each axis, in g */
    vec a = as_said(force, p->other), w = as_said(p->body.rate, p->other);
    double said[6] = {a.x, a.y, a.z, w.x + p->bias.x, w.y + p->bias.y, w.z + p->bias.z};

    for (uint16_t s = 0; s < 6; s++) {
        double counts = said[s] * (s < 3 ? COUNTS_G : COUNTS);
        say_paper(&p->p, p->now, 2, s, (int32_t)lround(counts + some(-0.15, 0.15) * COUNTS), s < 5);
    }
    p->said = p->body.rate;
}

/* So many reports pass, with a step after each few. */
static void pass(play *p, double seconds, unsigned few)
{
    unsigned count = (unsigned)(seconds * 250);

    for (unsigned i = 0; i < count; i++) {
        nplug_vec2 by;
        p->turned = add(p->turned, p->said, (double)EVERY / SECOND);
        p->now += EVERY;
        turn(&p->body, (double)EVERY / SECOND);
        report(p);
        if (i % few) continue;
        rig_step(&p->p.rig, p->now);
        by = nplug_motion(p->p.rig.nest, 1, AIM);
        p->moved.x += by.x;
        p->moved.y += by.y;
        p->presses += nplug_presses(p->p.rig.nest, 1, SNAP);
    }
    rig_step(&p->p.rig, p->now);
    p->moved.x += nplug_motion(p->p.rig.nest, 1, AIM).x;
    p->moved.y += nplug_motion(p->p.rig.nest, 1, AIM).y;
}

static void forget(play *p)
{
    p->moved = (nplug_vec2){0, 0};
    p->turned = (vec){0, 0, 0};
}

static void is_near(double is, double should, double by)
{
    ck_assert_msg(fabs(is - should) <= by, "%f, not %f", is, should);
}

static double rate_of(const play *p, unsigned axis)
{
    float rates[3];

    ck_assert_int_eq(nplug_control_sensor(p->p.rig.nest, p->device,
                                          NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_GYRO), rates),
                     NPLUG_OK);
    return (double)rates[axis] / DEGREE;
}

/* A pad that lies still turns by nothing, wherever its sensors rest; one that is turned slowly and
 * steadily is not taken for that, and what was found holds. */
TESTS(a_sensor_rests_where_it_lies_still, 8)
{
    play *p = malloc(sizeof *p);
    bool far = _i % 4 == 3;

    srand((unsigned)_i + 1);
    open_play(p, _i % 2, 1);
    p->bias = (vec){some(-8, 8), some(-8, 8), far ? 30 : some(-8, 8)};
    pass(p, 2.5, 5);
    forget(p);
    pass(p, 2, 5);
    for (unsigned a = 0; a < 3; a++)
        is_near(rate_of(p, a), a == 2 && far ? 30 : 0, 0.4);
    is_near((double)p->moved.x, 0, p->other && far ? 40 : 0.4);
    p->body.rate = (vec){0, 20, 0};
    pass(p, 4, 5);
    is_near(rate_of(p, p->other ? 2 : 1), 20 + (p->other && far ? 30 : 0), 0.4);
    for (int n = 0; n < 30; n++) {
        p->body.rate = (vec){some(-90, 90), some(-90, 90), some(-90, 90)};
        pass(p, 0.1, 5);
    }
    p->body.rate = (vec){0, 0, 0};
    p->bias.x += 1; /* it has become warmer */
    pass(p, 0.2, 5);
    is_near(rate_of(p, 0), 1, 0.4);
    pass(p, 5, 5);
    is_near(rate_of(p, 0), 0, 0.4);
    rig_close(&p->p.rig);
    free(p);
}

/* Shaking a pad is no use of it: nobody joins by it, and no other device is left for it. */
TESTS(what_a_pad_feels_is_never_use, 2)
{
    play *p = malloc(sizeof *p);
    NPLUG_SIZED(nplug_active_set, active);

    open_play(p, _i, 2);
    nplug_sim_plug(p->p.rig.sim, p->now, "keys", "turnstone");
    nplug_sim_press(p->p.rig.sim, p->now + MS, "keys", "KeyH", 10 * MS);
    rig_step(&p->p.rig, p->now + 20 * MS);
    p->now += 20 * MS;
    for (int n = 0; n < 50; n++) {
        p->body.rate = (vec){some(-400, 400), some(-400, 400), some(-400, 400)};
        pass(p, 0.05, 4);
    }
    ck_assert(!nplug_player_seated(p->p.rig.nest, 2));
    nplug_active_info(p->p.rig.nest, 1, &active);
    ck_assert_uint_eq(active.kind, NPLUG_KIND_KEYBOARD);
    rig_close(&p->p.rig);
    free(p);
}

/* The same reports at two frame rates: presses, the angle and the rest are the same. */
TESTS(sensors_do_not_know_the_frame_rate, 4)
{
    play *one = malloc(sizeof *one), *two = malloc(sizeof *two);
    play *both[] = {one, two};

    for (int k = 0; k < 2; k++) {
        play *p = both[k];
        srand((unsigned)_i + 1);
        open_play(p, _i % 2, 1);
        p->bias = (vec){3, -2, 1};
        pass(p, 3, k ? 1 : 25);
        for (int n = 0; n < 30; n++) {
            p->body.rate = (vec){some(-400, 400), some(-90, 90), 0};
            pass(p, 0.1, k ? 1 : 25);
        }
    }
    ck_assert_uint_gt(one->presses, 3);
    ck_assert_uint_eq(one->presses, two->presses);
    is_near((double)one->moved.x, (double)two->moved.x, 0.05);
    is_near((double)one->moved.y, (double)two->moved.y, 0.05);
    for (unsigned a = 0; a < 3; a++)
        is_near(rate_of(one, a), rate_of(two, a), 1e-6);
    rig_close(&one->p.rig);
    rig_close(&two->p.rig);
    free(one);
    free(two);
}

/* Impossible bindings of sensors. */
TESTS(a_sensor_drives_what_it_can, 9)
{
    static const struct {
        const char *binding;
        nplug_action_kind kind;
        bool good;
    } rows[] = {{"pad:turn dead=0.01 scale=2", NPLUG_ACTION_MOTION, true},
                {"pad:turn.x power=2", NPLUG_ACTION_LEVEL, true},
                {"pad:tilt.right press=0.4", NPLUG_ACTION_BUTTON, true},
                {"pad:roll invert=x", NPLUG_ACTION_LEVEL, true},
                {"pad:turn", NPLUG_ACTION_BUTTON, false},
                {"pad:roll", NPLUG_ACTION_VECTOR, false},
                {"pad:gyro", NPLUG_ACTION_VECTOR, false},
                {"pad:accel", NPLUG_ACTION_MOTION, false},
                {"pad:turn", NPLUG_ACTION_POSE, false}};
    nplug_action_def one = {"one", (uint32_t)rows[_i].kind, rows[_i].binding, 0};
    nplug_game game = nplug_game_for("one", &one, 1, 1);
    test_rig rig;

    if (!rows[_i].good) one.bindings = "pad:stick-left.up";
    if (rows[_i].kind == NPLUG_ACTION_VECTOR || rows[_i].kind == NPLUG_ACTION_MOTION)
        if (!rows[_i].good) one.bindings = "pad:stick-left";
    if (rows[_i].kind == NPLUG_ACTION_POSE) one.bindings = "hand-left:pose-grip";
    rig_open(&rig, &game, NULL);
    ck_assert_int_eq(nplug_bind(rig.nest, NPLUG_EVERYONE, 0, rows[_i].binding),
                     rows[_i].good ? NPLUG_OK : NPLUG_ERR_BINDING);
    rig_close(&rig);
}
