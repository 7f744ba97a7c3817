/* The ports that conform.c holds to their duties: sim, window and linux, each by a pad, the first
 * two by a touch surface, too. */
#include "ports/conform.h"
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

const nplug_zone_def *const conform_zones = zones;
const uint32_t conform_zone_count = COUNT_OF(zones);
const char *const conform_bindings[CONFORM_ACTIONS] = {
    [CONFORM_STEER] = "pad:stick-left", [CONFORM_HORN] = "pad:south"};

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

/* A window's surface is there as long as the window. */
const subject conform_subjects[] = {
    {.name = "sim",
     .open = sim_open,
     .plug = sim_plug,
     .press = sim_press,
     .diagonal = sim_diagonal,
     .unplug = sim_unplug,
     .close = free_self},
    {.name = "window",
     .open = window_open,
     .plug = window_plug,
     .press = window_press,
     .diagonal = window_diagonal,
     .unplug = window_unplug,
     .close = free_self},
    {.name = "linux",
     .open = linux_open,
     .plug = linux_plug,
     .press = linux_press,
     .diagonal = linux_diagonal,
     .unplug = linux_unplug,
     .close = linux_close},
    {.name = "sim-surface",
     .open = sim_open,
     .plug = sim_surface_plug,
     .press = sim_surface_press,
     .diagonal = sim_surface_diagonal,
     .unplug = sim_unplug,
     .close = free_self},
    {.name = "window-surface",
     .open = window_surface_open,
     .plug = window_surface_plug,
     .press = window_surface_press,
     .diagonal = window_surface_diagonal,
     .close = free_self},
};
const int conform_subject_count = COUNT_OF(conform_subjects);
