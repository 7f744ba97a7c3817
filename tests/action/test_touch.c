/* Touch surfaces: zones and contacts against a plain model of touch.h, played at random; and what
 * goes wrong with surfaces. */
#include "support.h"
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define ZONES   6
#define FINGERS 5
#define WAYS    4 /* up, down, left, right */

/* --- the model ----------------------------------------------------------------------------------
 */

typedef struct point {
    double x, y;
} point;

typedef struct finger {
    bool down, began, ended, cancelled;
    uint32_t id;
    int zone; /* -1: the game's */
    point start, place;
    double path;
    point mark;
    nplug_time since, age;
} finger;

typedef struct zone {
    nplug_zone_def def;
    point least, most;
    double reach;
    int contacts, driver, second; /* fingers, or -1 */
    bool alone, tapping;
    point middle, apart, value;
    unsigned taps, tap_ends, cancelled, swipes[WAYS];
    point moved; /* in this step */
    double pinch, turn;
    nplug_zone_wish wish; /* how somebody wants it; scale 0: as the game has it */
} zone;

typedef struct model {
    zone zones[ZONES];
    finger fingers[FINGERS];
    double width, height, safe[4];
    uint32_t ids;
    bool layer; /* the second one is on */
} model;

static double far_of(point p)
{
    return hypot(p.x, p.y);
}

static double side(int from, double away, double length, double begin, double whole)
{
    return from == 0   ? begin + away
           : from == 1 ? begin + whole / 2 - length / 2 + away
                       : begin + whole - away - length;
}

/* One way of a zone, as somebody wants it: scaled about its middle, moved, and kept where it is
 * safe or, where it is too large for that, about the middle. */
static void lay_wish(double *least, double *most, double move, double scale, double begin,
                     double whole)
{
    double length = (*most - *least) * scale, middle = (*least + *most) / 2 + move * whole;

    *least = length > whole ? begin + (whole - length) / 2
                            : fmin(fmax(middle - length / 2, begin), begin + whole - length);
    *most = *least + length;
}

/* Where zones are, on a surface of that size. */
static void lay(model *m)
{
    for (int i = 0; i < ZONES; i++) {
        zone *z = &m->zones[i];
        double w = m->width * (1 - m->safe[0] - m->safe[2]);
        double h = m->height * (1 - m->safe[1] - m->safe[3]);
        bool mm = (z->def.flags & NPLUG_ZONE_FLAG_MM) != 0;
        double wide = (double)z->def.width * (mm ? 1 : w),
               high = (double)z->def.height * (mm ? 1 : h);
        z->least.x = side((int)z->def.corner % 3, (double)z->def.x * (mm ? 1 : w), wide,
                          m->safe[0] * m->width, w);
        z->least.y = side((int)z->def.corner / 3, (double)z->def.y * (mm ? 1 : h), high,
                          m->safe[1] * m->height, h);
        z->most.x = z->least.x + wide;
        z->most.y = z->least.y + high;
        z->reach = (double)z->def.reach * (mm ? 1 : fmin(w, h));
        if (z->def.reach <= 0.0f) z->reach = fmin(wide, high) / 2;
        if (z->wish.scale <= 0.0f) continue;
        lay_wish(&z->least.x, &z->most.x, (double)z->wish.move.x, (double)z->wish.scale,
                 m->safe[0] * m->width, w);
        lay_wish(&z->least.y, &z->most.y, (double)z->wish.move.y, (double)z->wish.scale,
                 m->safe[1] * m->height, h);
        z->reach *= (double)z->wish.scale;
    }
}

static bool is_in(const zone *z, point p)
{
    double x = (p.x - (z->least.x + z->most.x) / 2) / ((z->most.x - z->least.x) / 2);
    double y = (p.y - (z->least.y + z->most.y) / 2) / ((z->most.y - z->least.y) / 2);

    return z->def.flags & NPLUG_ZONE_FLAG_ROUND ? x * x + y * y <= 1 : fabs(x) <= 1 && fabs(y) <= 1;
}

static int zone_for(const model *m, point p)
{
    int best = -1;

    for (int i = 0; i < ZONES; i++) {
        if (!is_in(&m->zones[i], p) || (m->zones[i].def.layer == 1 && !m->layer)) continue;
        if (m->zones[i].wish.show == NPLUG_ZONE_SHOW_NEVER) continue;
        if (best < 0 || m->zones[i].def.priority > m->zones[best].def.priority) best = i;
    }
    return best;
}

static bool sticks(const zone *z)
{
    return z->def.kind == NPLUG_ZONE_STICK || z->def.kind == NPLUG_ZONE_DPAD;
}

static point in_eight(point v)
{
    double angle = atan2(v.y, v.x) * 8 / (2 * 3.14159265358979323846);
    int eighth = ((int)floor(angle + 0.5) + 8) % 8;
    static const int x[] = {1, 1, 0, -1, -1, -1, 0, 1}, y[] = {0, 1, 1, 1, 0, -1, -1, -1};
    point none = {0, 0}, way = {x[eighth], y[eighth]};

    return far_of(v) < 1.0 / 3 ? none : way;
}

static void drive(zone *z, point p)
{
    point v = {(p.x - z->middle.x) / z->reach, (z->middle.y - p.y) / z->reach};
    double far = far_of(v), wide = z->most.x - z->least.x, high = z->most.y - z->least.y;

    if (z->def.kind == NPLUG_ZONE_SLIDER) {
        double share = wide >= high ? (p.x - z->least.x) / wide : (z->most.y - p.y) / high;
        z->value.x = fmin(fmax(share, 0), 1);
    }
    if (!sticks(z)) return;
    if (far > 1 && z->def.flags & NPLUG_ZONE_FLAG_FOLLOWS) {
        z->middle.x += (p.x - z->middle.x) * (1 - 1 / far);
        z->middle.y += (p.y - z->middle.y) * (1 - 1 / far);
    }
    if (far > 1) v = (point){v.x / far, v.y / far};
    z->value = z->def.kind == NPLUG_ZONE_DPAD ? in_eight(v) : v;
}

static point between(const model *m, const zone *z)
{
    point a = m->fingers[z->driver].place, b = m->fingers[z->second].place;
    return (point){b.x - a.x, b.y - a.y};
}

static void begin(model *m, int f)
{
    zone *z = &m->zones[m->fingers[f].zone];
    point p = m->fingers[f].place;

    if (z->def.kind == NPLUG_ZONE_AREA && z->contacts) {
        z->cancelled += z->tapping;
        z->alone = z->tapping = false;
        if (z->driver >= 0 && z->second < 0) {
            z->second = f;
            z->apart = between(m, z);
        }
    }
    if (z->contacts++) return;
    z->driver = f;
    if (z->def.kind == NPLUG_ZONE_BUTTON) z->value.x = 1;
    if (z->def.kind == NPLUG_ZONE_AREA) {
        z->alone = z->tapping = true;
        z->taps++;
        return;
    }
    z->middle = z->def.flags & NPLUG_ZONE_FLAG_LANDS
                    ? p
                    : (point){(z->least.x + z->most.x) / 2, (z->least.y + z->most.y) / 2};
    drive(z, p);
}

static void pull(model *m, zone *z, int f, point from)
{
    finger *g = &m->fingers[f];
    point way = {g->place.x - g->start.x, g->place.y - g->start.y}, apart;

    z->moved.x += (g->place.x - from.x) / z->contacts;
    z->moved.y += (from.y - g->place.y) / z->contacts;
    if (far_of(way) > 3 && z->tapping) {
        z->tapping = false;
        z->cancelled++;
    }
    if (z->second < 0 || (f != z->driver && f != z->second)) return;
    apart = between(m, z);
    z->pinch = fmin(fmax(far_of(apart) / far_of(z->apart) - 1, -1), 1);
    z->turn = (z->apart.x * apart.y - z->apart.y * apart.x) / far_of(apart) / far_of(z->apart);
    if (z->apart.x * apart.x + z->apart.y * apart.y < 0) z->turn = z->turn < 0 ? -1 : 1;
}

static void move(model *m, int f, point to)
{
    finger *g = &m->fingers[f];
    point from = g->place;
    zone *z;

    if (hypot(to.x - g->mark.x, to.y - g->mark.y) >= 2) {
        g->path += hypot(to.x - g->mark.x, to.y - g->mark.y);
        g->mark = to;
    }
    g->place = to;
    if (g->zone < 0) return;
    z = &m->zones[g->zone];
    if (z->def.kind == NPLUG_ZONE_AREA)
        pull(m, z, f, from);
    else if (z->driver == f)
        drive(z, to);
}

static void swipe(zone *z, const finger *g)
{
    point way = {g->place.x - g->start.x, g->start.y - g->place.y};
    bool across = fabs(way.x) >= fabs(way.y);

    if (!z->alone || g->age > 500000 || far_of(way) < 10 || far_of(way) < g->path * 2 / 3) return;
    z->swipes[across ? way.x < 0 ? 2 : 3 : way.y < 0 ? 1 : 0]++;
}

static void end(model *m, int f, nplug_time now)
{
    finger *g = &m->fingers[f];
    zone *z = g->zone < 0 ? NULL : &m->zones[g->zone];

    g->down = false;
    g->ended = true;
    g->age = now - g->since;
    if (!z) return;
    z->contacts--;
    if (z->def.kind == NPLUG_ZONE_AREA) {
        z->tap_ends += z->tapping;
        z->tapping = false;
        swipe(z, g);
        if (f != z->driver && f != z->second) return;
        z->pinch = z->turn = 0;
        z->driver = f == z->driver ? z->second : z->driver;
        z->second = -1;
        return;
    }
    if (z->def.kind == NPLUG_ZONE_BUTTON) z->value.x = z->contacts ? 1 : 0;
    if (z->driver != f || z->def.kind == NPLUG_ZONE_BUTTON) return;
    z->driver = -1;
    if (z->def.kind != NPLUG_ZONE_SLIDER) z->value = (point){0, 0};
}

/* --- the game that is played
 * ---------------------------------------------------------------------- */

/* Of each zone: what it gives, and of an area its tap, its swipes, its pinch and its turn. */
enum { MAIN, TAP, SWIPE, PINCH = SWIPE + WAYS, TURN, OF_ZONE };

typedef struct play {
    model m;
    test_rig rig;
    nplug_zone_def defs[ZONES];
    nplug_action_def actions[ZONES * OF_ZONE];
    char texts[ZONES * OF_ZONE][64], names[ZONES][16];
    unsigned taps[ZONES], cancels[ZONES], swipes[ZONES][WAYS];
    nplug_time now;
} play;

static double some(double least, double most)
{
    return least + (most - least) * (rand() % 10007) / 10007.0;
}

static const char *const standing[] = {"pad:south", "pad:stick-left",
                                       "key:KeyW,key:KeyS,key:KeyA,key:KeyD", "stick:throttle",
                                       "mouse:move"};

static void make_zone(play *p, int i)
{
    nplug_zone_def *def = &p->defs[i];
    bool mm = rand() % 2;

    memset(def, 0, sizeof *def);
    snprintf(p->names[i], sizeof p->names[i], "z%d", i);
    def->name = p->names[i];
    def->kind = (uint32_t)(i ? rand() % 5 : NPLUG_ZONE_AREA);
    def->corner = (uint32_t)rand() % 9;
    def->layer = (uint32_t)rand() % 2;
    def->priority = i ? rand() % 3 : -1;
    def->flags = (mm ? NPLUG_ZONE_FLAG_MM : 0u) | (uint32_t)(rand() % 8) << 1;
    def->x = (float)some(-0.1, 0.3) * (mm ? 100.0f : 1.0f);
    def->y = (float)some(-0.1, 0.3) * (mm ? 60.0f : 1.0f);
    def->width = (float)some(0.15, 0.6) * (mm ? 120.0f : 1.0f);
    def->height = (float)some(0.15, 0.6) * (mm ? 70.0f : 1.0f);
    if (rand() % 2) def->reach = (float)some(0.1, 0.3) * (mm ? 70.0f : 1.0f);
    p->m.zones[i].def = *def;
    p->m.zones[i].driver = p->m.zones[i].second = -1;
}

/* Each control is stood for once. */
static void stand_for(play *p)
{
    bool taken[5] = {false};

    for (int i = 0; i < ZONES; i++) {
        uint32_t kind = p->defs[i].kind;
        if (kind == NPLUG_ZONE_STICK || taken[kind] || rand() % 3) continue;
        taken[kind] = true;
        p->defs[i].as = standing[kind];
    }
}

static void make_actions(play *p)
{
    static const uint32_t kinds[] = {NPLUG_ACTION_BUTTON, NPLUG_ACTION_VECTOR, NPLUG_ACTION_VECTOR,
                                     NPLUG_ACTION_LEVEL, NPLUG_ACTION_MOTION};
    static const char *const ends[OF_ZONE] = {
        "", "-tap", "-swipe.up", "-swipe.down", "-swipe.left", "-swipe.right", "-pinch", "-turn"};

    for (int i = 0; i < ZONES * OF_ZONE; i++) {
        const nplug_zone_def *def = &p->defs[i / OF_ZONE];
        int what = i % OF_ZONE;
        static char names[ZONES * OF_ZONE][16];
        snprintf(names[i], sizeof names[i], "a%d", i);
        snprintf(p->texts[i], sizeof p->texts[i], "zone:%s%s", def->name, ends[what]);
        if (what == MAIN && def->as)
            snprintf(p->texts[i], sizeof p->texts[i], "%s%s",
                     def->kind == NPLUG_ZONE_DPAD ? "keys:" : "",
                     def->kind == NPLUG_ZONE_DPAD ? "KeyW,KeyS,KeyA,KeyD" : def->as);
        if (what != MAIN && def->kind != NPLUG_ZONE_AREA) p->texts[i][0] = 0;
        p->actions[i].name = names[i];
        p->actions[i].bindings = p->texts[i];
        p->actions[i].kind = what == MAIN    ? kinds[def->kind]
                             : what >= PINCH ? NPLUG_ACTION_LEVEL
                                             : NPLUG_ACTION_BUTTON;
    }
}

static void open_play(play *p)
{
    static const nplug_layer_def layers[] = {{"deck", 0, true}, {"chart", 0, false}};
    nplug_game game;
    nplug_limits limits;

    memset(p, 0, sizeof *p);
    for (int i = 0; i < ZONES; i++)
        make_zone(p, i);
    stand_for(p);
    make_actions(p);
    game = nplug_game_for_one("touch", p->actions, ZONES * OF_ZONE);
    game.layers = layers;
    game.layer_count = 2;
    game.zones = p->defs;
    game.zone_count = ZONES;
    limits = nplug_limits_for(&game);
    rig_open(&p->rig, &game, &limits);
    nplug_sim_plug(p->rig.sim, 0, "table", "tern");
    rig_step(&p->rig, 0);
    p->m.width = 125;
    p->m.height = 70;
    lay(&p->m);
}

/* --- one step
 * ------------------------------------------------------------------------------------- */

/* Where the surface says that a finger is, in millimetres. */
static point said(const play *p, int f)
{
    nplug_vec2 at = nplug_control_value(p->rig.nest, nplug_device_at(p->rig.nest, 0),
                                        NPLUG_CONTROL(NPLUG_CLASS_TOUCH, f + 1));
    return (point){(double)at.x * p->m.width, (double)at.y * p->m.height};
}

static void act(play *p)
{
    int f = rand() % FINGERS;
    finger *g = &p->m.fingers[f];
    nplug_vec2 to = {(float)some(0, 1), (float)some(0, 1)};
    point from = {(double)g->place.x / p->m.width, (double)g->place.y / p->m.height};
    bool up = g->down && rand() % 4 == 0;

    if (g->down && rand() % 3) {
        to.x = (float)fmin(fmax(from.x + some(-0.04, 0.04), 0), 1);
        to.y = (float)fmin(fmax(from.y + some(-0.04, 0.04), 0), 1);
    }
    if (!g->down)
        nplug_sim_touch(p->rig.sim, p->now, "table", (uint32_t)f + 1, to, to, 0);
    else if (up)
        nplug_sim_lift(p->rig.sim, p->now, "table", (uint32_t)f + 1);
    else
        nplug_sim_drag(p->rig.sim, p->now, "table", (uint32_t)f + 1, to, 0);
    rig_step(&p->rig, p->now);
    if (g->down && up) {
        end(&p->m, f, p->now);
    } else if (g->down) {
        move(&p->m, f, said(p, f));
    } else {
        *g = (finger){.down = true, .began = true, .id = ++p->m.ids, .since = p->now};
        g->start = g->mark = g->place = said(p, f);
        g->zone = zone_for(&p->m, g->place);
        if (g->zone >= 0) begin(&p->m, f);
    }
}

static void rest(play *p)
{
    for (int f = 0; f < FINGERS; f++)
        p->m.fingers[f].began = p->m.fingers[f].ended = false;
    for (int i = 0; i < ZONES; i++)
        p->m.zones[i].moved = (point){0, 0};
}

static void count(play *p)
{
    for (int i = 0; i < ZONES; i++) {
        uint32_t first = (uint32_t)(i * OF_ZONE);
        p->taps[i] += nplug_presses(p->rig.nest, 1, first + TAP);
        for (uint32_t w = 0; w < WAYS; w++)
            p->swipes[i][w] += nplug_presses(p->rig.nest, 1, first + SWIPE + w);
    }
    for (uint32_t e = 0; e < nplug_event_count(p->rig.nest); e++) {
        const nplug_event *event = nplug_event_at(p->rig.nest, e);
        if (event->kind == NPLUG_EVENT_RELEASE && event->action % OF_ZONE == TAP)
            p->cancels[event->action / OF_ZONE] += event->flags & NPLUG_EVENT_FLAG_CANCELLED;
    }
}

static bool is_near(double a, double b)
{
    return fabs(a - b) < 2e-3;
}

static void check_zone(const play *p, int i)
{
    const zone *z = &p->m.zones[i];
    uint32_t first = (uint32_t)(i * OF_ZONE);
    const nplug_nest *nest = p->rig.nest;
    nplug_vec2 heard = nplug_vector(nest, 1, first), moved = nplug_motion(nest, 1, first);

    NPLUG_SIZED(nplug_zone_facts, facts);
    ck_assert_int_eq(nplug_zone_info(nest, nplug_device_at(nest, 0), (uint32_t)i, &facts),
                     NPLUG_OK);
    ck_assert_int_eq((int)facts.contacts, z->contacts);
    ck_assert_int_eq(facts.shown,
                     (z->def.layer == 0 || p->m.layer) && z->wish.show != NPLUG_ZONE_SHOW_NEVER);
    ck_assert(is_near((double)facts.least.x * p->m.width, z->least.x) &&
              is_near((double)facts.most.y * p->m.height, z->most.y));
    if (z->def.kind == NPLUG_ZONE_AREA) {
        ck_assert_msg(is_near((double)moved.x, z->moved.x) && is_near((double)moved.y, z->moved.y),
                      "zone %d moved %f %f, not %f %f", i, (double)moved.x, (double)moved.y,
                      z->moved.x, z->moved.y);
        ck_assert_uint_eq(p->taps[i], z->taps);
        ck_assert_uint_eq(p->cancels[i], z->cancelled);
        for (int w = 0; w < WAYS; w++)
            ck_assert_uint_eq(p->swipes[i][w], z->swipes[w]);
        ck_assert(is_near((double)nplug_level(nest, 1, first + PINCH), z->pinch));
        ck_assert(is_near((double)nplug_level(nest, 1, first + TURN), z->turn));
    } else if (z->def.kind == NPLUG_ZONE_BUTTON) {
        ck_assert_int_eq(nplug_held(nest, 1, first), z->value.x > 0);
    } else {
        point v = z->value;
        if (p->defs[i].as && sticks(z)) v = in_eight(v); /* four keys */
        if (p->defs[i].as && sticks(z) && far_of(v) > 1)
            v = (point){v.x / far_of(v), v.y / far_of(v)};
        if (!p->defs[i].as || !sticks(z))
            ck_assert_msg(is_near((double)heard.x, v.x) && is_near((double)heard.y, v.y),
                          "zone %d (kind %u) gives %f %f, not %f %f", i, z->def.kind,
                          (double)heard.x, (double)heard.y, v.x, v.y);
        else
            ck_assert((heard.x > 0.1f) == (v.x > 0) && (heard.x < -0.1f) == (v.x < 0) &&
                      (heard.y > 0.1f) == (v.y > 0) && (heard.y < -0.1f) == (v.y < 0));
    }
}

static void check_contacts(const play *p)
{
    NPLUG_SIZED(nplug_contact_facts, facts);
    uint32_t before = 0, seen = 0;

    for (int f = 0; f < FINGERS; f++)
        seen += p->m.fingers[f].down || p->m.fingers[f].ended;
    ck_assert_uint_eq(nplug_contact_count(p->rig.nest), seen);
    for (uint32_t i = 0; nplug_contact_info(p->rig.nest, i, &facts) == NPLUG_OK; i++) {
        const finger *g = &p->m.fingers[facts.finger - 1];
        nplug_vec2 read = nplug_control_value(
            p->rig.nest, facts.device,
            NPLUG_CONTROL(NPLUG_CLASS_TOUCH, NPLUG_TOUCH_CONTACT + facts.finger - 1));
        ck_assert(facts.ended || (read.x == facts.place.x && read.y == facts.place.y));
        ck_assert_uint_gt(facts.id, before);
        ck_assert_uint_eq(facts.id, g->id);
        ck_assert_int_eq(facts.zone == NPLUG_NO_ZONE ? -1 : (int)facts.zone, g->zone);
        ck_assert(facts.began == g->began && facts.ended == g->ended && !facts.cancelled);
        ck_assert(is_near((double)facts.place.x * p->m.width, g->place.x));
        ck_assert(is_near((double)facts.way_mm.x, g->place.x - g->start.x));
        ck_assert(is_near((double)facts.way_mm.y, g->start.y - g->place.y));
        ck_assert_uint_eq(facts.begin_time, g->since);
        before = facts.id;
        seen--;
    }
    ck_assert_uint_eq(seen, 0);
}

/* Somebody wants a zone otherwise that no finger is in. */
static void wish(play *p)
{
    int i = rand() % ZONES;
    zone *z = &p->m.zones[i];

    if (z->contacts) return;
    z->wish = nplug_zone_wish_default();
    z->wish.move = (nplug_vec2){(float)some(-0.4, 0.4), (float)some(-0.4, 0.4)};
    z->wish.scale = (float)some(0.5, 1.8);
    z->wish.show = rand() % 4 ? NPLUG_ZONE_SHOW_TOUCH : NPLUG_ZONE_SHOW_NEVER;
    ck_assert_int_eq(nplug_set_zone(p->rig.nest, (uint32_t)i, &z->wish), NPLUG_OK);
    rig_step(&p->rig, p->now - MS);
    ck_assert_int_eq(nplug_zone_wish_info(p->rig.nest, (uint32_t)i, &z->wish), NPLUG_OK);
    lay(&p->m);
}

/* Whatever fingers do: zones and contacts are as the header says. */
TESTS(zones_keep_to_the_header, 60)
{
    play *p = malloc(sizeof *p);

    srand((unsigned)_i + 1);
    open_play(p);
    for (int n = 1; n <= 400; n++) {
        p->now = (nplug_time)n * 7 * MS;
        rest(p);
        if (rand() % 40 == 0) {
            p->m.layer = !p->m.layer;
            nplug_switch_layer(p->rig.nest, 1, 1, p->m.layer);
            rig_step(&p->rig, p->now - MS);
        }
        if (rand() % 40 == 0) wish(p);
        act(p);
        count(p);
        check_contacts(p);
        for (int i = 0; i < ZONES; i++)
            check_zone(p, i);
    }
    ck_assert_uint_eq(nplug_sim_failures(p->rig.sim, NULL), 0);
    rig_close(&p->rig);
    free(p);
}

/* --- what goes wrong
 * ------------------------------------------------------------------------------ */

static const nplug_zone_def two_zones[] = {
    {.name = "horn", .kind = NPLUG_ZONE_BUTTON, .width = 0.5f, .height = 1.0f},
    {.name = "helm",
     .kind = NPLUG_ZONE_STICK,
     .corner = NPLUG_CORNER_TOP_RIGHT,
     .width = 0.5f,
     .height = 1.0f,
     .flags = NPLUG_ZONE_FLAG_LANDS}};
static const nplug_action_def two_actions[] = {{"horn", NPLUG_ACTION_BUTTON, "zone:horn", 0},
                                               {"helm", NPLUG_ACTION_VECTOR, "zone:helm", 0}};

static nplug_game two_zone_game(uint32_t players)
{
    nplug_game game = nplug_game_for("two", two_actions, 2, players);

    game.seats = players == 1 ? NPLUG_SEATS_ONE : NPLUG_SEATS_FIRST_USE;
    game.zones = two_zones;
    game.zone_count = 2;
    return game;
}

/* A button and a stick are held. */
static void hold_both(test_rig *rig, const nplug_game *game)
{
    rig_open(rig, game, NULL);
    nplug_sim_plug(rig->sim, 0, "table", "tern");
    nplug_sim_touch(rig->sim, MS, "table", 1, (nplug_vec2){0.2f, 0.5f}, (nplug_vec2){0, 0}, 0);
    nplug_sim_touch(rig->sim, 2 * MS, "table", 2, (nplug_vec2){0.7f, 0.5f}, (nplug_vec2){0, 0}, 0);
    nplug_sim_drag(rig->sim, 3 * MS, "table", 2, (nplug_vec2){0.8f, 0.5f}, 0);
    rig_step(rig, 5 * MS);
    ck_assert(nplug_held(rig->nest, 1, 0));
    ck_assert_float_gt(nplug_vector(rig->nest, 1, 1).x, 0.1f);
}

static void check_let_go(const test_rig *rig)
{
    nplug_event event;

    ck_assert(rig_saw(rig, NPLUG_EVENT_RELEASE, &event));
    ck_assert_uint_eq(event.flags, NPLUG_EVENT_FLAG_CANCELLED);
    ck_assert(!nplug_held(rig->nest, 1, 0));
    ck_assert_float_eq(nplug_vector(rig->nest, 1, 1).x, 0.0f);
}

/* A surface that turns, goes, is muted or loses the focus lets go of everything; fingers that stay
 * count again when they were lifted. */
TESTS(what_ends_touches_lets_go_and_nothing_sticks, 3)
{
    nplug_game game = two_zone_game(1);
    NPLUG_SIZED(nplug_contact_facts, facts);
    NPLUG_SIZED(nplug_surface, surface);
    nplug_device table;
    test_rig rig;

    hold_both(&rig, &game);
    table = nplug_device_at(rig.nest, 0);
    surface.width_mm = 70.0f;
    surface.height_mm = 125.0f;
    if (_i == 0) ck_assert_int_eq(nplug_set_surface(rig.nest, table, &surface), NPLUG_OK);
    if (_i == 1) nplug_sim_unplug(rig.sim, 10 * MS, "table");
    if (_i == 2) nplug_mute(rig.nest, 1u << NPLUG_KIND_TOUCH);
    rig_step(&rig, 20 * MS);
    check_let_go(&rig);
    if (_i < 2) {
        ck_assert_int_eq(nplug_contact_info(rig.nest, 0, &facts), NPLUG_OK);
        ck_assert(facts.ended && facts.cancelled);
    }
    if (_i == 2) nplug_mute(rig.nest, 0);
    if (_i == 1) nplug_sim_plug(rig.sim, 25 * MS, "table", "tern");
    if (_i != 1) nplug_sim_drag(rig.sim, 30 * MS, "table", 2, (nplug_vec2){0.9f, 0.2f}, 5 * MS);
    rig_step(&rig, 40 * MS);
    ck_assert(!nplug_held(rig.nest, 1, 0));
    ck_assert_float_eq(nplug_vector(rig.nest, 1, 1).x, 0.0f);
    if (_i != 1) nplug_sim_lift(rig.sim, 50 * MS, "table", 1);
    nplug_sim_touch(rig.sim, 60 * MS, "table", 1, (nplug_vec2){0.2f, 0.5f}, (nplug_vec2){0, 0}, 0);
    rig_step(&rig, 70 * MS);
    ck_assert(nplug_held(rig.nest, 1, 0));
    rig_close(&rig);
}

/* The size that a game says holds, and so does what is not safe. */
TEST(a_surface_is_as_large_as_the_game_says)
{
    nplug_game game = two_zone_game(1);
    NPLUG_SIZED(nplug_surface, surface);
    NPLUG_SIZED(nplug_zone_facts, facts);
    nplug_device table;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "table", "tern");
    rig_step(&rig, MS);
    table = nplug_device_at(rig.nest, 0);
    nplug_surface_info(rig.nest, table, &surface);
    ck_assert_float_eq(surface.width_mm, 0.0f);
    surface.width_mm = 600.0f;
    surface.height_mm = 340.0f;
    surface.left = 0.1f;
    surface.right = 0.3f;
    ck_assert_int_eq(nplug_set_surface(rig.nest, table, &surface), NPLUG_OK);
    rig_step(&rig, 2 * MS);
    surface.left = 0.0f;
    nplug_surface_info(rig.nest, table, &surface);
    ck_assert_float_eq_tol(surface.width_mm, 600.0f, 0.05f);
    ck_assert_float_eq_tol(surface.left, 0.1f, 0.001f);
    nplug_zone_info(rig.nest, table, 0, &facts);
    ck_assert_float_eq_tol(facts.least.x, 0.1f, 0.001f);
    ck_assert_float_eq_tol(facts.most.x, 0.4f, 0.001f);
    rig_close(&rig);
}

/* Nothing goes by where a finger is until an action does: that finds it where it lies. */
TEST(an_action_finds_a_finger_that_lies_there_already)
{
    static const nplug_action_def bare[] = {{"look", NPLUG_ACTION_VECTOR, "pad:stick-left", 0}};
    nplug_game game = nplug_game_for("bare", bare, 1, 1);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "table", "tern");
    nplug_sim_touch(rig.sim, MS, "table", 2, (nplug_vec2){0.1f, 0.1f}, (nplug_vec2){0, 0}, 0);
    for (unsigned i = 2; i < 10; i++) {
        nplug_sim_drag(rig.sim, i * MS, "table", 2, (nplug_vec2){0.1f * (float)i, 0.25f}, 0);
        rig_step(&rig, i * MS);
    }
    ck_assert_int_eq(nplug_bind(rig.nest, 1, 0, "touch:contact-2"), NPLUG_OK);
    rig_step(&rig, 10 * MS);
    ck_assert_float_eq_tol(nplug_vector(rig.nest, 1, 0).x, 0.9f, 0.01f);
    ck_assert_float_eq_tol(fabsf(nplug_vector(rig.nest, 1, 0).y), 0.25f, 0.01f);
    nplug_sim_drag(rig.sim, 11 * MS, "table", 2, (nplug_vec2){0.4f, 0.25f}, 0);
    rig_step(&rig, 12 * MS);
    ck_assert_float_eq_tol(nplug_vector(rig.nest, 1, 0).x, 0.4f, 0.01f);
    ck_assert_int_eq(nplug_bind(rig.nest, 1, 0, "pad:stick-left"), NPLUG_OK);
    nplug_sim_drag(rig.sim, 13 * MS, "table", 2, (nplug_vec2){0.6f, 0.25f}, 0);
    rig_step(&rig, 14 * MS);
    ck_assert_float_eq(nplug_vector(rig.nest, 1, 0).x, 0.0f);
    rig_close(&rig);
}

TESTS(impossible_surfaces_are_refused, 7)
{
    static const nplug_surface wrong[] = {
        {.width_mm = -1.0f}, {.width_mm = 0.5f}, {.height_mm = 6001.0f},
        {.left = 0.5f},      {.bottom = -0.1f},  {.width_mm = NAN},
        {.top = NAN}};
    nplug_game game = two_zone_game(1);
    nplug_surface surface = wrong[_i];
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "table", "tern");
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    rig_step(&rig, MS);
    surface.size = (uint32_t)sizeof surface;
    ck_assert_int_eq(nplug_set_surface(rig.nest, nplug_device_at(rig.nest, 0), &surface),
                     NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_surface_info(rig.nest, nplug_device_at(rig.nest, 1), &surface),
                     NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_set_surface(rig.nest, 0, &surface), NPLUG_ERR_ARGUMENT);
    rig_close(&rig);
}

/* No room for a surface's zones: it is told, and the surface can still be read. */
TEST(zones_beyond_the_limit_are_told)
{
    nplug_game game = two_zone_game(1);
    nplug_limits limits = nplug_limits_for(&game);
    NPLUG_SIZED(nplug_contact_facts, facts);
    nplug_event event;
    test_rig rig;

    limits.zones = 1;
    rig_open(&rig, &game, &limits);
    nplug_sim_plug(rig.sim, 0, "table", "tern");
    nplug_sim_touch(rig.sim, 0, "table", 1, (nplug_vec2){0.7f, 0.5f}, (nplug_vec2){0, 0}, 0);
    rig_step(&rig, 10 * MS);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_LIMIT, &event));
    ck_assert_uint_eq(event.limit, NPLUG_LIMIT_ZONES);
    ck_assert_int_eq(nplug_contact_info(rig.nest, 0, &facts), NPLUG_OK);
    ck_assert_uint_eq(facts.zone, NPLUG_NO_ZONE);
    rig_close(&rig);
}

static const struct {
    nplug_zone_def zone;
    const char *says;
} wrong_zones[] = {
    {{.name = "a b", .width = 1, .height = 1}, "has no name"},
    {{.width = 1, .height = 1}, "has no name"},
    {{.name = "horn", .width = 1, .height = 1}, "has the name of another one"},
    {{.name = "a", .kind = 5, .width = 1, .height = 1}, "is of no kind"},
    {{.name = "a", .layer = 32, .width = 1, .height = 1}, "is in no layer"},
    {{.name = "a", .part = 5, .width = 1, .height = 1}, "is in a part above 4"},
    {{.name = "a", .corner = 9, .width = 1, .height = 1}, "is at no corner"},
    {{.name = "a", .width = 0, .height = 1}, "has no size"},
    {{.name = "a", .width = 1, .height = -1}, "has no size"},
    {{.name = "a", .width = NAN, .height = 1}, "has no size"},
    {{.name = "a", .width = 1, .height = 1, .x = INFINITY}, "is nowhere"},
    {{.name = "a", .width = 1, .height = 1, .reach = -1}, "has a reach below 0"},
    {{.name = "a", .width = 1, .height = 1, .as = "pad:stick-left"}, "stands for something"},
    {{.name = "a", .width = 1, .height = 1, .as = "pad:sauth"}, "stands for something"},
    {{.name = "a", .width = 1, .height = 1, .as = "touch:contact-down-1"}, "stands for something"},
    {{.name = "a", .kind = NPLUG_ZONE_STICK, .width = 1, .height = 1, .as = "pad:south"},
     "stands for something"},
    {{.name = "a", .kind = NPLUG_ZONE_DPAD, .width = 1, .height = 1, .as = "key:KeyW,key:KeyS"},
     "stands for something"},
    {{.name = "a",
      .kind = NPLUG_ZONE_STICK,
      .width = 1,
      .height = 1,
      .as = "key:KeyW,key:KeyS,key:KeyA,key:KeyD,key:KeyE"},
     "stands for something"},
    {{.name = "a", .kind = NPLUG_ZONE_AREA, .width = 1, .height = 1, .as = "pad:stick-left"},
     "stands for something"},
};

TESTS(a_wrong_zone_is_told, COUNT_OF(wrong_zones))
{
    nplug_zone_def zones[2] = {two_zones[0], wrong_zones[_i].zone};
    nplug_game game = two_zone_game(1);
    const char *why = NULL;
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    game.action_count = 1;
    game.zones = zones;
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_ERR_ARGUMENT);
    ck_assert_ptr_nonnull(strstr(rig.log, wrong_zones[_i].says));
    ck_assert_uint_eq(nplug_game_wrong_zone(&game, &why), 1);
    ck_assert_ptr_nonnull(strstr(why, wrong_zones[_i].says));
    rig_close(&rig);
}

/* --- several at one table
 * --------------------------------------------------------------------------- */

/* Each side of a table is a player's: a touch there joins, and moves what is that player's alone.
 */
TEST(a_table_has_a_side_for_each_player)
{
    static const nplug_zone_def sides[] = {
        {.name = "west", .as = "pad:south", .part = 1, .width = 0.3f, .height = 1.0f},
        {.name = "east",
         .as = "pad:south",
         .part = 2,
         .corner = NPLUG_CORNER_TOP_RIGHT,
         .width = 0.3f,
         .height = 1.0f}};
    static const nplug_action_def horn = {"horn", NPLUG_ACTION_BUTTON, "pad:south", 0};
    nplug_game game = nplug_game_for("table", &horn, 1, 4);
    NPLUG_SIZED(nplug_contact_facts, facts);
    nplug_device table;
    test_rig rig;

    game.zones = sides;
    game.zone_count = 2;
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "table", "tern");
    nplug_sim_touch(rig.sim, MS, "table", 1, (nplug_vec2){0.9f, 0.5f}, (nplug_vec2){0.9f, 0.5f},
                    MS);
    nplug_sim_touch(rig.sim, 10 * MS, "table", 1, (nplug_vec2){0.5f, 0.5f},
                    (nplug_vec2){0.5f, 0.5f}, MS);
    rig_step(&rig, 20 * MS);
    table = nplug_device_at(rig.nest, 0);
    ck_assert(nplug_player_seated(rig.nest, 1) && !nplug_player_seated(rig.nest, 2));
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, 0), 0); /* the press that joined is spent */
    ck_assert_uint_eq(nplug_part_players(rig.nest, table, 2), 1);
    ck_assert_uint_eq(nplug_part_players(rig.nest, table, 1), 0);
    nplug_sim_touch(rig.sim, 30 * MS, "table", 2, (nplug_vec2){0.1f, 0.5f},
                    (nplug_vec2){0.1f, 0.5f}, MS);
    rig_step(&rig, 40 * MS);
    ck_assert(nplug_player_seated(rig.nest, 2));
    nplug_sim_touch(rig.sim, 50 * MS, "table", 1, (nplug_vec2){0.9f, 0.4f}, (nplug_vec2){0, 0}, 0);
    nplug_sim_touch(rig.sim, 51 * MS, "table", 2, (nplug_vec2){0.1f, 0.4f}, (nplug_vec2){0, 0}, 0);
    rig_step(&rig, 60 * MS);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, 0), 1);
    ck_assert_uint_eq(nplug_presses(rig.nest, 2, 0), 1);
    nplug_contact_info(rig.nest, 0, &facts);
    ck_assert_uint_eq(facts.players, 1);
    nplug_contact_info(rig.nest, 1, &facts);
    ck_assert_uint_eq(facts.players, 2);
    nplug_sim_lift(rig.sim, 70 * MS, "table", 1);
    rig_step(&rig, 80 * MS);
    ck_assert(!nplug_held(rig.nest, 1, 0) && nplug_held(rig.nest, 2, 0));
    rig_close(&rig);
}

/* Zones are drawn for those who used a touch surface last, or nothing yet, and never in a layer
 * that is off. */
TESTS(zones_are_drawn_for_who_plays_by_touch, 2)
{
    static const nplug_layer_def layers[] = {{"sail", 0, true}, {"map", 0, false}};
    static const nplug_zone_def zones[] = {
        {.name = "horn", .as = "pad:south", .width = 0.5f, .height = 1.0f},
        {.name = "page", .layer = 1, .x = 0.5f, .width = 0.5f, .height = 1.0f}};
    static const nplug_action_def horn = {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:Space", 0};
    nplug_game game = nplug_game_for("drawn", &horn, 1, 1);
    nplug_nest *nest;
    nplug_device table;
    test_rig rig;

    game.seats = _i == 0 ? NPLUG_SEATS_ONE : NPLUG_SEATS_FIRST_USE;
    game.layers = layers;
    game.layer_count = 2;
    game.zones = zones;
    game.zone_count = 2;
    rig_open(&rig, &game, NULL);
    nest = rig.nest;
    nplug_sim_plug(rig.sim, 0, "table", "tern");
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    rig_step(&rig, MS);
    table = nplug_device_at(nest, 0);
    ck_assert(nplug_zone_drawn(nest, table, 0));
    ck_assert(!nplug_zone_drawn(nest, table, 1) && !nplug_zone_drawn(nest, table, 2));
    ck_assert(!nplug_zone_drawn(nest, nplug_device_at(nest, 1), 0));
    ck_assert_int_eq(nplug_sim_press(rig.sim, 2 * MS, "pad", "south", MS), NPLUG_OK);
    rig_step(&rig, 10 * MS);
    /* the pad is the player's; the table too, or nobody's, and nobody used anything */
    ck_assert(nplug_zone_drawn(nest, table, 0) == (_i == 1));
    nplug_switch_layer(nest, 1, 1, true);
    nplug_sim_touch(rig.sim, 20 * MS, "table", 1, (nplug_vec2){0.2f, 0.5f},
                    (nplug_vec2){0.2f, 0.5f}, 5 * MS);
    rig_step(&rig, 40 * MS);
    ck_assert(nplug_zone_drawn(nest, table, 0));
    ck_assert(nplug_zone_drawn(nest, table, 1) == (_i == 0));
    nplug_sim_unplug(rig.sim, 50 * MS, "table");
    rig_step(&rig, 60 * MS);
    ck_assert(!nplug_zone_drawn(nest, table, 0) && !nplug_zone_drawn(NULL, table, 0));
    rig_close(&rig);
}

/* A finger that the table cannot have touches nothing: it is no other one. */
/* A player's wish: nobody's finger is thrown out by it, what is hidden takes none, what is always
 * shown is drawn for a pad's player, and settings keep it. */
TEST(a_player_may_want_a_zone_otherwise)
{
    nplug_game game = two_zone_game(1);
    nplug_zone_wish wish = nplug_zone_wish_default(), now = {.size = sizeof now};
    nplug_settings *settings = nplug_settings_new(), *again;
    nplug_device table;
    char text[2048];
    nplug_notes notes;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "table", "tern");
    nplug_sim_touch(rig.sim, MS, "table", 1, (nplug_vec2){0.2f, 0.5f}, (nplug_vec2){0.2f, 0.5f}, 0);
    nplug_sim_plug(rig.sim, 2 * MS, "pad", "heron");
    nplug_sim_press(rig.sim, 3 * MS, "pad", "south", 10 * MS);
    rig_step(&rig, 20 * MS);
    table = nplug_device_at(rig.nest, 0);
    ck_assert(nplug_held(rig.nest, 1, 0) && !nplug_zone_drawn(rig.nest, table, 0));
    wish.show = NPLUG_ZONE_SHOW_NEVER;
    ck_assert_int_eq(nplug_set_zone(rig.nest, 0, &wish), NPLUG_OK);
    wish.show = NPLUG_ZONE_SHOW_ALWAYS;
    wish.opacity = 0.5f;
    wish.move.x = -0.25f;
    wish.scale = 0.5f;
    ck_assert_int_eq(nplug_set_zone(rig.nest, 1, &wish), NPLUG_OK);
    nplug_sim_touch(rig.sim, 30 * MS, "table", 2, (nplug_vec2){0.1f, 0.5f}, (nplug_vec2){0}, 0);
    nplug_sim_lift(rig.sim, 50 * MS, "table", 2);
    rig_step(&rig, 40 * MS);
    ck_assert(nplug_held(rig.nest, 1, 0));
    nplug_sim_lift(rig.sim, 60 * MS, "table", 1);
    nplug_sim_touch(rig.sim, 80 * MS, "table", 1, (nplug_vec2){0.2f, 0.5f}, (nplug_vec2){0}, 0);
    rig_step(&rig, 100 * MS);
    ck_assert(!nplug_held(rig.nest, 1, 0) && nplug_zone_drawn(rig.nest, table, 1));
    ck_assert_int_eq(nplug_settings_keep_player(settings, rig.nest, 1, "mate"), NPLUG_OK);
    nplug_settings_text(settings, text, sizeof text);
    ck_assert_int_eq(nplug_settings_parse(text, strlen(text), "kept", &again, &notes), NPLUG_OK);
    ck_assert_int_eq(nplug_settings_use_player(again, rig.nest, 1, "nobody"), NPLUG_OK);
    rig_step(&rig, 110 * MS);
    ck_assert_int_eq(nplug_zone_wish_info(rig.nest, 1, &now), NPLUG_OK);
    ck_assert(now.show == NPLUG_ZONE_SHOW_TOUCH && now.scale == 1.0f && now.move.x == 0.0f);
    ck_assert_int_eq(nplug_settings_use_player(again, rig.nest, 1, "mate"), NPLUG_OK);
    rig_step(&rig, 120 * MS);
    nplug_zone_wish_info(rig.nest, 0, &now);
    ck_assert_uint_eq(now.show, NPLUG_ZONE_SHOW_NEVER);
    nplug_zone_wish_info(rig.nest, 1, &now);
    ck_assert_uint_eq(now.show, NPLUG_ZONE_SHOW_ALWAYS);
    ck_assert_float_eq_tol(now.move.x, -0.25f, 0.001f);
    ck_assert_float_eq_tol(now.opacity, 0.5f, 0.01f);
    nplug_settings_free(settings);
    nplug_settings_free(again);
    rig_close(&rig);
}

TEST(impossible_wishes_are_refused)
{
    nplug_game game = two_zone_game(1);
    nplug_zone_wish good = nplug_zone_wish_default(), bad[6], small = good;
    test_rig rig;

    for (size_t i = 0; i < COUNT_OF(bad); i++)
        bad[i] = good;
    bad[0].scale = 0.0f;
    bad[1].scale = NAN;
    bad[2].move.x = 1.5f;
    bad[3].opacity = -0.1f;
    bad[4].show = 3;
    bad[5].move.y = -INFINITY;
    rig_open(&rig, &game, NULL);
    for (size_t i = 0; i < COUNT_OF(bad); i++)
        ck_assert_int_eq(nplug_set_zone(rig.nest, 0, &bad[i]), NPLUG_ERR_ARGUMENT);
    small.size = 8;
    ck_assert_int_eq(nplug_set_zone(rig.nest, 0, &small), NPLUG_ERR_SIZE);
    ck_assert_int_eq(nplug_zone_wish_info(rig.nest, 0, &small), NPLUG_ERR_SIZE);
    ck_assert_int_eq(nplug_set_zone(rig.nest, 2, &good), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_zone_wish_info(rig.nest, 2, &good), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_set_zone(rig.nest, 0, NULL), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_set_zone(NULL, 0, &good), NPLUG_ERR_ARGUMENT);
    rig_close(&rig);
}

/* A worn table: an end that is never said is over as the next contact of its slot begins, numbers
 * that come again are new contacts, and places end at the edge. */
TEST(a_worn_table_loses_ends_and_nothing_else)
{
    nplug_game game = two_zone_game(1);
    NPLUG_SIZED(nplug_contact_facts, facts);
    uint64_t began = 0, ended = 0, presses = 0;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "table", "tern-worn");
    for (nplug_time n = 0; n < 40; n++) {
        float x = n % 2 ? -0.05f : 0.4f;
        nplug_sim_touch(rig.sim, (n * 100 + 10) * MS, "table", 1, (nplug_vec2){x, 0.5f},
                        (nplug_vec2){x, 1.1f}, 50 * MS);
    }
    for (nplug_time t = 0; t < 4100; t += 16) {
        rig_step(&rig, t * MS);
        presses += nplug_presses(rig.nest, 1, 0);
        for (uint32_t i = 0; nplug_contact_info(rig.nest, i, &facts) == NPLUG_OK; i++) {
            began += facts.began;
            ended += facts.ended;
            ck_assert(facts.place.x >= 0.0f && facts.place.y <= 1.0f && facts.finger == 1);
        }
        ck_assert_uint_le(nplug_contact_count(rig.nest), 2);
    }
    ck_assert_uint_eq(began, 40);
    ck_assert_uint_eq(ended, 39); /* each fifth end is lost, the last one, too */
    ck_assert_uint_eq(presses, 40);
    rig_close(&rig);
}

TEST(an_impossible_finger_touches_nothing)
{
    nplug_game game = two_zone_game(1);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "table", "tern");
    nplug_sim_touch(rig.sim, MS, "table", 1001, (nplug_vec2){0.2f, 0.5f}, (nplug_vec2){0, 0}, 0);
    rig_step(&rig, 5 * MS);
    ck_assert_uint_eq(nplug_contact_count(rig.nest), 0);
    rig_close(&rig);
}

/* --- traces
 * ----------------------------------------------------------------------------------------- */

/* What zones say is found again from the contacts: a recorded game replays to the same digests. */
TESTS(a_recorded_touch_replays, 4)
{
    static test_tape tape;
    play *p = malloc(sizeof *p);
    nplug_limits limits;
    nplug_game game;

    memset(&tape, 0, sizeof tape);
    srand((unsigned)_i + 1);
    open_play(p);
    game = *nplug_nest_game(p->rig.nest);
    rig_close(&p->rig);
    limits = nplug_limits_for(&game);
    limits.records = COUNT_OF(tape.records);
    rig_open(&p->rig, &game, &limits);
    nplug_sim_plug(p->rig.sim, 0, "table", "tern");
    for (int n = 1; n <= 200; n++) {
        NPLUG_SIZED(nplug_surface, surface);
        p->now = (nplug_time)n * 7 * MS;
        surface.width_mm = 100.0f + (float)(n % 7);
        surface.height_mm = 60.0f;
        if (n % 50 == 49) {
            nplug_set_surface(p->rig.nest, nplug_device_at(p->rig.nest, 0), &surface);
            for (int f = 0; f < FINGERS; f++)
                p->m.fingers[f].down = false;
        }
        act(p);
        tape_note(&tape, p->rig.nest);
    }
    tape_check(&tape, &game);
    rig_close(&p->rig);
    free(p);
}
