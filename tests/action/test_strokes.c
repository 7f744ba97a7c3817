/* Strokes as people make them, made up: how many gestures of an area are told as they were meant.
 *
 * A hand has a size, a speed and a tremor of its own, and another one for each stroke.  A finger
 * goes from where it lands to where it is lifted along a bow, with the speed of a minimum-jerk
 * movement (Flash and Hogan 1985), is heard 80 to 240 times a second, and trembles by a tenth to a
 * third of a millimetre each time. */
#include "support.h"
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define WIDTH  150.0 /* millimetres */
#define HEIGHT 80.0
#define PI     3.14159265358979323846

enum { TAP, DOUBLE, LONG, UP, DOWN, LEFT, RIGHT, BUTTONS, PINCH = BUTTONS, TURN, STICK, ACTIONS };

static const nplug_action_def actions[ACTIONS] = {
    {"tap", NPLUG_ACTION_BUTTON, "zone:chart-tap tap", 0},
    {"double", NPLUG_ACTION_BUTTON, "zone:chart-tap double-tap", 0},
    {"long", NPLUG_ACTION_BUTTON, "zone:chart-tap hold=600", 0},
    {"up", NPLUG_ACTION_BUTTON, "zone:chart-swipe.up", 0},
    {"down", NPLUG_ACTION_BUTTON, "zone:chart-swipe.down", 0},
    {"left", NPLUG_ACTION_BUTTON, "zone:chart-swipe.left", 0},
    {"right", NPLUG_ACTION_BUTTON, "zone:chart-swipe.right", 0},
    {"pinch", NPLUG_ACTION_LEVEL, "zone:chart-pinch", 0},
    {"turn", NPLUG_ACTION_LEVEL, "zone:chart-turn", 0},
    {"steer", NPLUG_ACTION_VECTOR, "zone:helm", 0}};

static const nplug_zone_def zones[] = {
    {.name = "chart", .kind = NPLUG_ZONE_AREA, .priority = -1, .width = 1.0f, .height = 1.0f},
    {.name = "helm",
     .kind = NPLUG_ZONE_STICK,
     .corner = NPLUG_CORNER_BOTTOM_LEFT,
     .flags = NPLUG_ZONE_FLAG_MM | NPLUG_ZONE_FLAG_LANDS | NPLUG_ZONE_FLAG_FOLLOWS,
     .width = 40.0f,
     .height = 40.0f,
     .reach = 15.0f}};

/* --- chance
 * --------------------------------------------------------------------------------------- */

static uint64_t state;

static double chance(void)
{
    state = state * UINT64_C(6364136223846793005) + UINT64_C(1442695040888963407);
    return (double)(state >> 11) / 9007199254740992.0;
}

static double between(double least, double most)
{
    return least + (most - least) * chance();
}

/* Around 0, with a spread of 1: twelve throws. */
static double normal(void)
{
    double sum = -6.0;

    for (int i = 0; i < 12; i++)
        sum += chance();
    return sum;
}

/* --- hands
 * ---------------------------------------------------------------------------------------- */

typedef struct hand {
    double size;   /* of what is usual */
    double pace;   /* how long it takes for everything, likewise */
    double tremor; /* millimetres */
    double rate;   /* reports a second */
} hand;

static hand any_hand(void)
{
    hand h = {between(0.75, 1.25), between(0.75, 1.3), between(0.1, 0.33), between(80, 240)};
    return h;
}

typedef struct point {
    double x, y;
} point;

/* One finger's part of a stroke. */
typedef struct path {
    uint32_t finger;
    double begin, span; /* seconds */
    point from, to;
    double bow; /* how far it is off the straight line in its middle, as a share of that */
} path;

static point on_path(const path *p, double t)
{
    double s = t / p->span, u;
    point at, way = {p->to.x - p->from.x, p->to.y - p->from.y};

    s = s < 0 ? 0 : s > 1 ? 1 : s;
    u = s * s * s * (10 - 15 * s + 6 * s * s);
    at.x = p->from.x + way.x * u - way.y * p->bow * 4 * u * (1 - u);
    at.y = p->from.y + way.y * u + way.x * p->bow * 4 * u * (1 - u);
    return at;
}

/* --- strokes
 * -------------------------------------------------------------------------------------- */

enum { S_TAP, S_DOUBLE, S_LONG, S_SWIPE, S_DRAG, S_PINCH, S_TURN, S_STICK, STROKES };
static const char *const words[STROKES] = {"tap",  "double tap", "long press", "swipe",
                                           "drag", "pinch",      "turn",       "stick"};

typedef struct stroke {
    int kind;
    path paths[2];
    int count;
    int wanted; /* the button that it is meant for; -1: none */
    int sign;   /* of a pinch or a turn */
} stroke;

static point somewhere(void)
{
    point p = {between(60, WIDTH - 35), between(15, HEIGHT - 15)};
    return p;
}

static path press(const hand *h, double begin, double span, point at)
{
    point to = {at.x + 0.5 * h->size * normal(), at.y + 0.5 * h->size * normal()};
    path p = {1, begin, span * h->pace, at, at, 0};

    /* A fingertip rolls by a millimetre or so; it does not go anywhere. */
    if (hypot(to.x - at.x, to.y - at.y) < 1.6) p.to = to;
    return p;
}

static void make_swipe(stroke *s, const hand *h)
{
    int way = (int)(4 * chance());
    double angle = (way == 0 ? 0.5 : way == 1 ? -0.5 : way == 2 ? 1.0 : 0.0) * PI;
    double length = between(17, 45) * h->size;

    angle += between(-0.5, 0.5);
    s->wanted = UP + way;
    s->paths[0] = (path){1, 0, between(0.09, 0.33) * h->pace, somewhere(), {0, 0}, 0.1 * normal()};
    s->paths[0].from = (point){between(95 - 20, 75 + 20), HEIGHT / 2};
    s->paths[0].to.x = s->paths[0].from.x + length * cos(angle);
    s->paths[0].to.y =
        s->paths[0].from.y - length * sin(angle) * (HEIGHT / 2 - 4) / fmax(length, HEIGHT / 2 - 4);
}

/* Slow, or nowhere much: it moves the chart, and is nothing else. */
static void make_drag(stroke *s, const hand *h)
{
    double angle = between(0, 2 * PI), length = between(14, 30) * h->size;

    s->paths[0] = (path){1, 0, between(0.75, 1.1) * h->pace, somewhere(), {0, 0}, 0.1 * normal()};
    s->paths[0].to.x = s->paths[0].from.x + length * cos(angle);
    s->paths[0].to.y = s->paths[0].from.y + length * sin(angle) * 0.8;
}

/* Two fingers around a middle: apart by `from`, then by `to` times that, turned by `angle`. */
static void make_two(stroke *s, const hand *h, double times, double angle)
{
    point middle = {between(85, 105), HEIGHT / 2};
    double apart = between(16, 26) * h->size, at = between(0, 2 * PI);
    double span = between(0.3, 0.8) * h->pace;

    if (times < 1) apart /= times;
    if (apart > 34) apart = 34;
    for (int f = 0; f < 2; f++) {
        double side = f ? 1 : -1;
        s->paths[f] = (path){(uint32_t)f + 1, f * between(0.0, 0.03), span, {0, 0}, {0, 0}, 0};
        s->paths[f].from.x = middle.x + side * apart * cos(at);
        s->paths[f].from.y = middle.y + side * apart * sin(at);
        s->paths[f].to.x = middle.x + side * apart * times * cos(at + angle);
        s->paths[f].to.y = middle.y + side * apart * times * sin(at + angle);
    }
    s->count = 2;
}

/* Around in the stick, and fast out of it. */
static void make_stick(stroke *s, const hand *h)
{
    double angle = between(0, 2 * PI), length = between(5, 45) * h->size;

    s->paths[0] = (path){1, 0, between(0.06, 0.6) * h->pace, {0, 0}, {0, 0}, 0.2 * normal()};
    s->paths[0].from = (point){between(5, 35), HEIGHT - between(5, 35)};
    s->paths[0].to.x = fmin(fmax(s->paths[0].from.x + length * cos(angle), 0), WIDTH);
    s->paths[0].to.y = fmin(fmax(s->paths[0].from.y + length * sin(angle), 0), HEIGHT);
}

static stroke make_stroke(int kind, const hand *h)
{
    stroke s = {kind, {{0}}, 1, -1, chance() < 0.5 ? -1 : 1};
    point at = somewhere();

    switch (kind) {
    case S_TAP:
        s.wanted = TAP;
        s.paths[0] = press(h, 0, between(0.04, 0.17), at);
        break;
    case S_DOUBLE:
        s.wanted = DOUBLE;
        s.paths[0] = press(h, 0, between(0.04, 0.12), at);
        s.paths[1] = press(h, s.paths[0].span + between(0.06, 0.2) * h->pace, between(0.04, 0.12),
                           (point){at.x + normal(), at.y + normal()});
        s.count = 2;
        break;
    case S_LONG:
        s.wanted = LONG;
        s.paths[0] = press(h, 0, between(0.9, 1.4), at);
        break;
    case S_SWIPE:
        make_swipe(&s, h);
        break;
    case S_DRAG:
        make_drag(&s, h);
        break;
    case S_PINCH:
        make_two(&s, h, s.sign > 0 ? between(1.4, 1.9) : between(0.4, 0.65), 0.08 * normal());
        break;
    case S_TURN:
        make_two(&s, h, 1 + 0.05 * normal(), s.sign * between(0.5, 1.2));
        break;
    default:
        make_stick(&s, h);
        break;
    }
    return s;
}

/* --- played
 * --------------------------------------------------------------------------------------- */

typedef struct heard {
    unsigned presses[BUTTONS];
    double pinch, turn; /* furthest from 0 */
    bool steered;
} heard;

static void listen(const test_rig *rig, heard *all)
{
    double pinch = (double)nplug_level(rig->nest, 1, PINCH);
    double turn = (double)nplug_level(rig->nest, 1, TURN);

    for (uint32_t a = 0; a < BUTTONS; a++)
        all->presses[a] += nplug_presses(rig->nest, 1, a);
    if (fabs(pinch) > fabs(all->pinch)) all->pinch = pinch;
    if (fabs(turn) > fabs(all->turn)) all->turn = turn;
    all->steered |= nplug_vector(rig->nest, 1, STICK).x != 0.0f;
}

static nplug_vec2 as_share(point at, const hand *h, bool trembles)
{
    double shake = trembles ? h->tremor : 0.0;
    nplug_vec2 share = {(float)((at.x + shake * normal()) / WIDTH),
                        (float)((at.y + shake * normal()) / HEIGHT)};

    share.x = share.x < 0 ? 0 : share.x > 1 ? 1 : share.x;
    share.y = share.y < 0 ? 0 : share.y > 1 ? 1 : share.y;
    return share;
}

/* Says where each finger is, again and again, until all are lifted; then waits for late taps. */
static heard play(test_rig *rig, const stroke *s, const hand *h, nplug_time *now)
{
    bool down[2] = {false, false}, over[2] = {false, s->count < 2};
    double t = 0.0;
    heard all = {{0}, 0, 0, false};

    for (; !over[0] || !over[1]; t += 1.0 / h->rate) {
        *now += (nplug_time)(1000000.0 / h->rate);
        for (int f = 0; f < s->count; f++) {
            const path *p = &s->paths[f];
            nplug_vec2 at = as_share(on_path(p, t - p->begin), h, true);
            if (over[f] || t < p->begin) continue;
            if (!down[f])
                nplug_sim_touch(rig->sim, *now, "table", p->finger, at, at, 0);
            else if (t > p->begin + p->span)
                nplug_sim_lift(rig->sim, *now, "table", p->finger);
            else
                nplug_sim_drag(rig->sim, *now, "table", p->finger, at, 0);
            over[f] = down[f] && t > p->begin + p->span;
            down[f] = true;
        }
        rig_step(rig, *now);
        listen(rig, &all);
    }
    *now += SECOND;
    rig_step(rig, *now);
    listen(rig, &all);
    return all;
}

typedef struct score {
    unsigned all, right, missed, wrong, swipes;
} score;

static void judge(score *scores, const stroke *s, const heard *all)
{
    score *to = &scores[s->kind];
    unsigned told = 0, wanted = s->wanted >= 0 ? all->presses[s->wanted] : 0;
    bool is_pinch = fabs(all->pinch) > 0.3, is_turn = fabs(all->turn) > 0.35, good, any;

    for (int a = 0; a < BUTTONS; a++)
        told += all->presses[a];
    for (int a = UP; a <= RIGHT; a++)
        to->swipes += all->presses[a];
    any = told != 0;
    good = s->wanted >= 0 ? wanted == 1 && told == 1 : told == 0;
    if (s->kind == S_PINCH) good &= is_pinch && !is_turn && (all->pinch > 0) == (s->sign > 0);
    if (s->kind == S_TURN) good &= is_turn && !is_pinch && (all->turn > 0) == (s->sign > 0);
    if (s->kind == S_PINCH || s->kind == S_TURN) any |= is_pinch || is_turn;
    to->all++;
    to->right += good;
    to->missed += !good && !any;
    to->wrong += !good && any;
}

static void open_table(test_rig *rig)
{
    nplug_game game = nplug_game_for_one("strokes", actions, ACTIONS);
    NPLUG_SIZED(nplug_surface, surface);

    game.zones = zones;
    game.zone_count = 2;
    rig_open(rig, &game, NULL);
    nplug_sim_plug(rig->sim, 0, "table", "tern");
    rig_step(rig, 0);
    surface.width_mm = (float)WIDTH;
    surface.height_mm = (float)HEIGHT;
    nplug_set_surface(rig->nest, nplug_device_at(rig->nest, 0), &surface);
    rig_step(rig, 1);
}

/* At least 99.5 of 100 strokes are told as they were meant, and no stroke that began in a stick is
 * ever a swipe.  NPLUG_CASES says how many of each kind, NPLUG_SEED where chance begins; with it
 * the table is printed. */
TEST(strokes_are_told_as_they_were_meant)
{
    const char *cases = getenv("NPLUG_CASES"), *seed = getenv("NPLUG_SEED");
    unsigned long count = cases ? strtoul(cases, NULL, 10) : 150;
    score scores[STROKES] = {{0}};
    unsigned all = 0, right = 0;
    nplug_time now = 1000;
    test_rig rig;

    state = seed ? strtoul(seed, NULL, 10) : 7;
    open_table(&rig);
    for (unsigned long n = 0; n < count; n++)
        for (int kind = 0; kind < STROKES; kind++) {
            hand h = any_hand();
            stroke s = make_stroke(kind, &h);
            heard told = play(&rig, &s, &h, &now);
            judge(scores, &s, &told);
        }
    if (seed) printf("%-12s %8s %8s %8s %8s\n", "stroke", "made", "right", "missed", "wrong");
    for (int kind = 0; kind < STROKES; kind++) {
        const score *s = &scores[kind];
        if (seed)
            printf("%-12s %8u %8u %8u %8u\n", words[kind], s->all, s->right, s->missed, s->wrong);
        all += s->all;
        right += s->right;
    }
    ck_assert_uint_eq(scores[S_STICK].swipes, 0);
    ck_assert_msg(right * 1000.0 >= all * 995.0, "%u of %u are right", right, all);
    ck_assert_uint_eq(nplug_sim_failures(rig.sim, NULL), 0);
    rig_close(&rig);
}
