/* Pointing by mouse, fingers and a pen of a window, against a plain model written from pointer.h.
 *
 * NPLUG_SEED=S: from seed S on. */
#include "support.h"
#include <stdlib.h>
#include <string.h>

#define FINGERS 4
#define GAMES   60
#define MOVES   300

enum { CLICK, FIRE, ACTIONS };
enum { MOUSE, TOUCH, PEN, DEVICES };

/* Right of the middle a zone has what begins there. */
static const nplug_zone_def zones[] = {{.name = "fire", .x = 0.5f, .width = 0.5f, .height = 1.0f}};
static const nplug_action_def actions[ACTIONS] = {
    [CLICK] = {"click", NPLUG_ACTION_BUTTON, "pointer:press", 0},
    [FIRE] = {"fire", NPLUG_ACTION_BUTTON, "zone:fire", 0}};

static nplug_game game_of(void)
{
    nplug_game game = nplug_game_for_one("pointing", actions, ACTIONS);

    game.zones = zones;
    game.zone_count = COUNT_OF(zones);
    return game;
}

/* --- the model ---------------------------------------------------------------------------------
 */

/* A contact, or the mouse's button. */
typedef struct touching {
    bool down, fires; /* it began in the zone */
    nplug_vec2 place;
} touching;

typedef struct model {
    touching mouse, finger[FINGERS], pen;
    bool near, focused, spent[DEVICES]; /* a device's press is spent until it is let go */
    int pointing;                       /* the finger that points; -1: none */
    nplug_vec2 pointed;
    int active; /* the device that was pressed last */
    int by;     /* by which the player pressed last; -1: nothing yet */
    bool down, cancelled, held;
    nplug_vec2 press, release;
    uint64_t clicks;
} model;

typedef struct rig {
    test_rig rig;
    nplug_window *window;
    nplug_device device[DEVICES];
    model model;
    nplug_time now;
    uint64_t clicks;
} rig;

/* Whether a device's pointer is pressed, and that counts. */
static bool presses(const model *m, int device)
{
    if (m->spent[device]) return false;
    if (device == MOUSE) return m->mouse.down;
    return device == TOUCH ? m->pointing >= 0 : m->pen.down && !m->pen.fires;
}

static nplug_vec2 place_of(const model *m, int device)
{
    if (device == MOUSE) return m->mouse.place;
    if (device == PEN) return m->pen.place;
    return m->pointing >= 0 ? m->finger[m->pointing].place : m->pointed;
}

static void settle_action(model *m)
{
    bool held = presses(m, MOUSE) || presses(m, TOUCH) || presses(m, PEN);

    m->clicks += held && !m->held;
    m->held = held;
}

static void press(model *m, int device, nplug_vec2 at)
{
    if (!m->focused) {
        m->spent[device] = true;
    } else if (!m->spent[device]) {
        m->by = device;
        m->down = true;
        m->press = at;
    }
}

static void release(model *m, int device, nplug_vec2 at, bool cancelled)
{
    if (m->down && m->by == device) {
        m->down = false;
        m->release = at;
        m->cancelled = cancelled;
    }
    if (!cancelled) m->spent[device] = false;
}

/* --- what somebody does ------------------------------------------------------------------------
 */

/* Never on the border of the zone, where a window's whole numbers may fall on the other side. */
static nplug_vec2 any_place(void)
{
    nplug_vec2 at = {((float)(rand() % 1000) + 0.3f) / 1000.0f, (float)(rand() % 1000) / 1000.0f};
    return at;
}

static void move_mouse(rig *r)
{
    r->model.mouse.place = any_place();
    ck_assert_int_eq(nplug_window_point(r->window, r->now, r->model.mouse.place), NPLUG_OK);
}

static void press_mouse(rig *r)
{
    model *m = &r->model;

    m->mouse.down = !m->mouse.down;
    nplug_window_button(r->window, r->now, 1, m->mouse.down);
    if (m->mouse.down)
        press(m, MOUSE, m->mouse.place);
    else
        release(m, MOUSE, m->mouse.place, false);
    if (m->mouse.down && m->focused) m->active = MOUSE;
}

static void use_finger(rig *r)
{
    model *m = &r->model;
    int number = rand() % FINGERS;
    touching *finger = &m->finger[number];
    bool was = finger->down;

    finger->down = !was || rand() % 2;
    finger->place = any_place();
    nplug_window_touch(r->window, r->now, 100u + (uint32_t)number, finger->place, finger->down);
    if (!was && m->focused) m->active = TOUCH;
    if (!was) finger->fires = finger->place.x >= 0.5f;
    if (!was && !finger->fires && m->pointing < 0) {
        m->pointing = number;
        press(m, TOUCH, finger->place);
    }
    if (m->pointing == number) m->pointed = finger->place;
    if (finger->down || m->pointing != number) return;
    release(m, TOUCH, finger->place, false);
    m->pointing = -1;
}

static void use_pen(rig *r)
{
    model *m = &r->model;
    touching *pen = &m->pen;
    bool was = pen->down;

    m->near = rand() % 4 != 0;
    pen->down = m->near && rand() % 2;
    pen->place = any_place();
    nplug_window_pen(r->window, r->now, pen->place, m->near, pen->down, 0.25f);
    if (!was && pen->down) {
        pen->fires = pen->place.x >= 0.5f;
        if (!pen->fires) press(m, PEN, pen->place);
        if (m->focused) m->active = PEN;
    }
    if (was && !pen->down && !pen->fires) release(m, PEN, pen->place, false);
}

/* What is held when the focus goes is let go, and spent. */
static void turn_focus(rig *r)
{
    model *m = &r->model;

    m->focused = !m->focused;
    nplug_window_focus(r->window, r->now, m->focused);
    if (m->focused) return;
    for (int d = 0; d < DEVICES; d++) {
        bool down = d == MOUSE ? m->mouse.down : d == TOUCH ? m->pointing >= 0 : m->pen.down;
        nplug_vec2 at = place_of(m, d);
        if (!down) continue;
        if (d == PEN && m->pen.fires) continue;
        release(m, d, at, true);
        m->spent[d] = true;
    }
}

static void do_something(rig *r)
{
    int what = rand() % 20;

    r->now += 1 + (nplug_time)(rand() % 20) * MS;
    if (what < 5)
        move_mouse(r);
    else if (what < 8)
        press_mouse(r);
    else if (what < 14)
        use_finger(r);
    else if (what < 19)
        use_pen(r);
    else
        turn_focus(r);
    settle_action(&r->model);
}

/* --- playing it --------------------------------------------------------------------------------
 */

static void same_place(nplug_vec2 a, nplug_vec2 b)
{
    ck_assert_float_eq_tol(a.x, b.x, 0.001f);
    ck_assert_float_eq_tol(a.y, b.y, 0.001f);
}

static void compare(rig *r)
{
    const model *m = &r->model;
    NPLUG_SIZED(nplug_pointer_facts, facts);
    bool down = m->down && m->by == m->active;

    ck_assert_int_eq(nplug_pointer_info(r->rig.nest, 1, &facts), NPLUG_OK);
    ck_assert_uint_eq(facts.device, r->device[m->active]);
    ck_assert_uint_eq(facts.kind, m->active == MOUSE ? NPLUG_KIND_MOUSE : NPLUG_KIND_TOUCH);
    ck_assert_int_eq(facts.down, down);
    same_place(facts.place, place_of(m, m->active));
    same_place(facts.press_place, m->press);
    same_place(facts.release_place, m->release);
    ck_assert_int_eq(facts.cancelled, m->cancelled);
    if (m->active == MOUSE) ck_assert_int_eq(facts.hovers, !down);
    if (m->active == PEN) ck_assert_int_eq(facts.hovers, m->near && !m->pen.down);
    if (m->active == TOUCH) ck_assert(!facts.hovers);
    if (m->active == TOUCH) ck_assert_int_eq(facts.contact != 0, m->pointing >= 0);
    if (m->active == PEN && facts.contact) ck_assert_float_eq_tol(facts.pressure, 0.25f, 0.001f);
    ck_assert_int_eq(nplug_held(r->rig.nest, 1, CLICK), m->held);
    r->clicks += nplug_presses(r->rig.nest, 1, CLICK);
    ck_assert_uint_eq(r->clicks, m->clicks);
}

static void open_rig(rig *r)
{
    static const nplug_device_kind kinds[] = {NPLUG_KIND_MOUSE, NPLUG_KIND_TOUCH, NPLUG_KIND_TOUCH};
    size_t size = nplug_window_memory_needed();
    nplug_game game = game_of();

    memset(r, 0, sizeof *r);
    rig_open(&r->rig, &game, NULL);
    r->window = nplug_window_open(NPLUG_WINDOW_MOUSE | NPLUG_WINDOW_TOUCH | NPLUG_WINDOW_PEN,
                                  malloc(size), size);
    ck_assert_int_eq(nplug_window_attach(r->window, r->rig.nest), NPLUG_OK);
    rig_step(&r->rig, r->now = SECOND);
    for (uint32_t d = 0; d < DEVICES; d++) {
        NPLUG_SIZED(nplug_device_facts, facts);
        r->device[d] = nplug_device_at(r->rig.nest, d);
        nplug_device_info(r->rig.nest, r->device[d], &facts);
        ck_assert_uint_eq(facts.kind, kinds[d]);
    }
    r->model.pointing = r->model.by = -1;
    r->model.focused = true;
}

static void close_rig(rig *r)
{
    rig_close(&r->rig);
    free(r->window);
}

TESTS(pointing_is_as_the_model_has_it, GAMES)
{
    const char *seed = getenv("NPLUG_SEED");
    rig r;

    srand((seed ? (unsigned)atoi(seed) : 1u) + (unsigned)_i);
    open_rig(&r);
    for (int i = 0; i < MOVES; i++) {
        do_something(&r);
        rig_step(&r.rig, r.now);
        compare(&r);
    }
    close_rig(&r);
}

/* --- what goes wrong ---------------------------------------------------------------------------
 */

TEST(who_has_nothing_that_points_is_told_so)
{
    nplug_game game = harbour_for(2);
    NPLUG_SIZED(nplug_pointer_facts, facts);
    nplug_pointer_facts small = {.size = 4};
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_plug(rig.sim, 0, "mouse", "stint");
    rig_step(&rig, SECOND);
    ck_assert_int_eq(nplug_pointer_info(rig.nest, NPLUG_NOBODY, &facts), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_pointer_info(rig.nest, 1, &facts), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_pointer_info(rig.nest, 99, &facts), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_pointer_info(NULL, 1, &facts), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_pointer_info(rig.nest, 1, NULL), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_pointer_info(rig.nest, 1, &small), NPLUG_ERR_SIZE);
    rig_close(&rig);
}

/* A pick hears the pointer and zones, not the contact beneath them. */
TESTS(a_pick_of_a_touch_is_a_pointer_or_a_zone, 2)
{
    static const char *const names[] = {"pointer:press", "zone:1-button"};
    nplug_pick pick = nplug_pick_default();
    nplug_event event;
    char name[64];
    rig r;

    open_rig(&r);
    ck_assert_int_eq(nplug_start_pick(r.rig.nest, &pick), NPLUG_OK);
    rig_step(&r.rig, r.now += 10 * MS);
    nplug_window_touch(r.window, r.now, 1, (nplug_vec2){_i ? 0.9f : 0.1f, 0.5f}, true);
    rig_step(&r.rig, r.now += 10 * MS);
    ck_assert(rig_saw(&r.rig, NPLUG_EVENT_PICK, &event));
    nplug_control_name(event.control, name, sizeof name);
    ck_assert_str_eq(name, names[_i]);
    close_rig(&r);
}
