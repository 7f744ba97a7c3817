/* The window port: a game's own loop as hardware. */
#include "support.h"
#include <stdlib.h>
#include <string.h>

#define KEY_H  0x0b
#define KEY_E  0x08
#define ESCAPE 0x29

typedef struct window_rig {
    test_rig rig;
    nplug_window *window;
} window_rig;

static void open_window_for(window_rig *w, const nplug_game *game, uint32_t devices)
{
    rig_open(&w->rig, game, NULL);
    w->window = nplug_window_open(devices, malloc(nplug_window_memory_needed()),
                                  nplug_window_memory_needed());
    ck_assert_ptr_nonnull(w->window);
    ck_assert_int_eq(nplug_window_attach(w->window, w->rig.nest), NPLUG_OK);
    rig_step(&w->rig, 0);
}

static void open_window(window_rig *w, uint32_t devices)
{
    nplug_game game = harbour_for(1);

    open_window_for(w, &game, devices);
}

static void close_window(window_rig *w)
{
    rig_close(&w->rig);
    free(w->window);
}

TEST(keys_pointer_and_wheel_reach_actions)
{
    window_rig w;
    NPLUG_SIZED(nplug_device_facts, info);

    open_window(&w, NPLUG_WINDOW_KEYBOARD | NPLUG_WINDOW_MOUSE);
    ck_assert_uint_eq(nplug_device_count(w.rig.nest), 2);
    nplug_device_info(w.rig.nest, nplug_device_at(w.rig.nest, 0), &info);
    ck_assert_int_eq(info.kind, NPLUG_KIND_KEYBOARD);
    ck_assert_int_eq(info.times, NPLUG_TIME_SOURCE_SERVER);
    nplug_window_key(w.window, 1000, KEY_H, true);
    nplug_window_key(w.window, 1500, KEY_H, true); /* repeated by the system */
    nplug_window_key(w.window, 1600, nplug_key_usage(NPLUG_KEY_SCHEME_X11, 25), true); /* W */
    nplug_window_move(w.window, 1700, 5, 3, false);
    nplug_window_move(w.window, 1700, 100, 100, true); /* made up from a touch */
    nplug_window_move(w.window, 1800, 5, 3, false);
    rig_step(&w.rig, 2000);
    ck_assert_uint_eq(nplug_presses(w.rig.nest, 1, HORN), 1);
    ck_assert_float_eq(nplug_vector(w.rig.nest, 1, STEER).y, 1.0f);
    ck_assert_float_eq(nplug_motion(w.rig.nest, 1, LOOK).x, 10.0f);
    ck_assert_float_eq(nplug_motion(w.rig.nest, 1, LOOK).y, -6.0f);
    nplug_window_key(w.window, 3000, KEY_H, false);
    nplug_window_button(w.window, 3500, 1, true);
    nplug_window_wheel(w.window, 3500, 0, 40);
    rig_step(&w.rig, 4000);
    ck_assert(nplug_held(w.rig.nest, 1, HORN)); /* by the mouse */
    ck_assert_float_eq(rig_control(&w.rig, 1, "mouse:wheel").y, 40.0f / 120.0f);
    close_window(&w);
}

/* Edges of two actions within a step: presses and releases of the first, then of the second. */
static void check_notches(window_rig *w, unsigned next, unsigned last)
{
    nplug_nest *nest = w->rig.nest;

    ck_assert_uint_eq(nplug_presses(nest, 1, 0), next);
    ck_assert_uint_eq(nplug_releases(nest, 1, 0), next);
    ck_assert_uint_eq(nplug_presses(nest, 1, 1), last);
    ck_assert(!nplug_held(nest, 1, 0) && !nplug_held(nest, 1, 1));
}

TEST(a_notch_of_a_wheel_is_a_press)
{
    static const nplug_action_def actions[] = {
        {"next", NPLUG_ACTION_BUTTON, "mouse:wheel.up", 0},
        {"last", NPLUG_ACTION_BUTTON, "mouse:wheel.down | mouse:wheel.left", 0},
        {"zoom", NPLUG_ACTION_MOTION, "mouse:wheel", 0}};
    nplug_game game = nplug_game_for_one("notches", actions, COUNT_OF(actions));
    nplug_pick pick = {.size = sizeof pick, .player = 1};
    nplug_event event;
    window_rig w;

    open_window_for(&w, &game, NPLUG_WINDOW_MOUSE);
    nplug_window_wheel(w.window, 1000, 0, 120);
    nplug_window_wheel(w.window, 1500, 0, 240);
    nplug_window_wheel(w.window, 1600, -120, -119);
    rig_step(&w.rig, 2000);
    check_notches(&w, 3, 1);
    nplug_window_wheel(w.window, 2100, 0, -1); /* the rest of a notch */
    nplug_window_wheel(w.window, 2200, 0, -100);
    nplug_window_wheel(w.window, 2300, 0, 119); /* back: all begins anew */
    nplug_window_wheel(w.window, 2400, 120, 0); /* bound to nothing */
    rig_step(&w.rig, 3000);
    check_notches(&w, 0, 1);
    ck_assert_int_eq(nplug_start_pick(w.rig.nest, &pick), NPLUG_OK);
    rig_step(&w.rig, 3500);
    nplug_window_wheel(w.window, 3600, 0, -120);
    nplug_window_wheel(w.window, 3700, 0, 120); /* of the same turn: spent */
    rig_step(&w.rig, 4000);
    check_notches(&w, 0, 0); /* the pick had the first one */
    ck_assert(rig_saw(&w.rig, NPLUG_EVENT_PICK, &event));
    ck_assert_uint_eq(event.control, nplug_control_named("mouse:wheel"));
    ck_assert_uint_eq(event.way, NPLUG_WAY_DOWN);
    nplug_window_wheel(w.window, 3700 + 100 * MS, 0, 120);
    rig_step(&w.rig, 200 * MS);
    check_notches(&w, 1, 0);
    close_window(&w);
}

TEST(losing_the_focus_lets_go_and_what_is_held_is_spent)
{
    nplug_event event;
    window_rig w;

    open_window(&w, NPLUG_WINDOW_KEYBOARD | NPLUG_WINDOW_PADS);
    nplug_window_pad(w.window, 100, 0, NULL, true);
    nplug_window_key(w.window, 1000, KEY_H, true);
    nplug_window_pad_axis(w.window, 1000, 0, 0, 1.0f);
    rig_step(&w.rig, 1500);
    ck_assert(nplug_held(w.rig.nest, 1, HORN));
    ck_assert_float_eq(nplug_vector(w.rig.nest, 1, STEER).x, 1.0f);
    nplug_window_focus(w.window, 2000, false);
    rig_step(&w.rig, 2500);
    ck_assert(rig_saw(&w.rig, NPLUG_EVENT_RELEASE, &event));
    ck_assert_uint_eq(event.flags, NPLUG_EVENT_FLAG_CANCELLED);
    ck_assert_float_eq(nplug_vector(w.rig.nest, 1, STEER).x, 0.0f);
    nplug_window_pad_button(w.window, 3000, 0, 0, 1.0f); /* pressed while away */
    nplug_window_pad_axis(w.window, 3000, 0, 1, 1.0f);
    rig_step(&w.rig, 3500);
    ck_assert(!nplug_held(w.rig.nest, 1, HORN));
    ck_assert_float_eq(nplug_vector(w.rig.nest, 1, STEER).y, 0.0f);
    nplug_window_focus(w.window, 4000, true);
    nplug_window_key(w.window, 4100, KEY_H, false);
    nplug_window_key(w.window, 4200, KEY_H, true);
    rig_step(&w.rig, 4500);
    ck_assert_uint_eq(nplug_presses(w.rig.nest, 1, HORN), 1); /* the key; the button is spent */
    nplug_window_pad_axis(w.window, 5000, 0, 0, 0.0f);
    nplug_window_pad_axis(w.window, 5000, 0, 1, 0.0f);
    nplug_window_pad_axis(w.window, 5100, 0, 1, -1.0f);
    rig_step(&w.rig, 5500);
    ck_assert_float_eq(nplug_vector(w.rig.nest, 1, STEER).y, 1.0f);
    close_window(&w);
}

TEST(a_person_who_types_fires_nothing)
{
    static const uint16_t heard[] = {ESCAPE};
    window_rig w;

    open_window(&w, NPLUG_WINDOW_KEYBOARD);
    nplug_window_key(w.window, 1000, KEY_H, true);
    rig_step(&w.rig, 1500);
    nplug_window_typing(w.window, 2000, true, heard, 1);
    nplug_window_key(w.window, 2100, KEY_H, true);
    nplug_window_key(w.window, 2200, KEY_E, true);
    nplug_window_key(w.window, 2300, ESCAPE, true);
    rig_step(&w.rig, 2500);
    ck_assert(!nplug_held(w.rig.nest, 1, HORN));
    ck_assert_uint_eq(nplug_presses(w.rig.nest, 1, HORN), 0);
    ck_assert_uint_eq(nplug_presses(w.rig.nest, 1, MENU), 1);
    nplug_window_typing(w.window, 3000, false, NULL, 0);
    rig_step(&w.rig, 3500);
    ck_assert(!nplug_held(w.rig.nest, 1, HORN));
    nplug_window_key(w.window, 4000, KEY_H, false);
    nplug_window_key(w.window, 4100, KEY_H, true);
    rig_step(&w.rig, 4500);
    ck_assert(nplug_held(w.rig.nest, 1, HORN));
    close_window(&w);
}

TEST(fingers_have_places)
{
    NPLUG_SIZED(nplug_signal_facts, info);
    window_rig w;

    open_window(&w, NPLUG_WINDOW_TOUCH);
    for (uint32_t f = 0; f < NPLUG_WINDOW_CONTACTS; f++)
        ck_assert_int_eq(nplug_window_touch(w.window, 1000, 70 + f, (nplug_vec2){1.0f, 0.0f}, true),
                         NPLUG_OK);
    ck_assert_int_eq(nplug_window_touch(w.window, 1000, 5, (nplug_vec2){0, 0}, true),
                     NPLUG_ERR_FULL);
    nplug_window_touch(w.window, 1500, 70, (nplug_vec2){0.5f, 0.5f}, false);
    nplug_window_touch(w.window, 1500, 71, (nplug_vec2){0.5f, 2.0f}, true);
    rig_step(&w.rig, 2000);
    nplug_signal_info(w.rig.nest, nplug_device_at(w.rig.nest, 0), 0, &info);
    ck_assert_int_eq(info.raw, -1);
    nplug_signal_info(w.rig.nest, nplug_device_at(w.rig.nest, 0), 4, &info);
    ck_assert_int_eq(info.raw, 71);
    nplug_signal_info(w.rig.nest, nplug_device_at(w.rig.nest, 0), 6, &info);
    ck_assert_int_eq(info.raw, 65535);
    close_window(&w);
}

TEST(pads_in_the_webs_numbering)
{
    window_rig w;

    open_window(&w, NPLUG_WINDOW_PADS);
    ck_assert_uint_eq(nplug_device_count(w.rig.nest), 0);
    nplug_window_pad(w.window, 100, 3, "Heron over the web", true);
    nplug_window_pad_button(w.window, 200, 3, 7, 0.5f);
    nplug_window_pad_axis(w.window, 200, 3, 1, -1.0f);
    rig_step(&w.rig, 1000);
    ck_assert_float_eq_tol(nplug_level(w.rig.nest, 1, THROTTLE), 0.5f, 0.0001f);
    ck_assert_float_eq(nplug_vector(w.rig.nest, 1, STEER).y, 1.0f);
    nplug_window_pad(w.window, 2000, 3, NULL, false);
    rig_step(&w.rig, 3000);
    ck_assert_uint_eq(nplug_device_count(w.rig.nest), 0);
    ck_assert_int_eq(nplug_window_pad_button(w.window, 4000, 3, 0, 1.0f), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_window_key(w.window, 4000, KEY_H, true), NPLUG_ERR_ARGUMENT);
    close_window(&w);
}

/* Every system's number of a key leads to the same place; no two keys of one scheme to one place.
 */
TEST(key_numbers_agree)
{
    static const struct {
        const char *code;
        uint32_t kernel, set1;
    } rows[] = {
        {"Escape", 1, 0x01},         {"KeyA", 30, 0x1e},          {"Digit0", 11, 0x0b},
        {"Space", 57, 0x39},         {"ArrowUp", 103, 0xe048},    {"ControlRight", 97, 0xe01d},
        {"NumpadEnter", 96, 0xe01c}, {"IntlBackslash", 86, 0x56}, {"F12", 88, 0x58},
        {"MetaLeft", 125, 0xe05b},   {"IntlYen", 124, 0x7d},      {"Pause", 119, 0xe046},
        {"F13", 183, 0x64},          {"Numpad7", 71, 0x47},       {"Slash", 53, 0x35}};
    uint32_t by[256] = {0};

    for (size_t i = 0; i < COUNT_OF(rows); i++) {
        uint16_t usage = nplug_key_usage_from_code(rows[i].code);
        ck_assert_msg(usage != 0, "%s", rows[i].code);
        ck_assert_msg(nplug_key_usage(NPLUG_KEY_SCHEME_KERNEL, rows[i].kernel) == usage, "%s",
                      rows[i].code);
        ck_assert_uint_eq(nplug_key_usage(NPLUG_KEY_SCHEME_X11, rows[i].kernel + 8), usage);
        ck_assert_msg(nplug_key_usage(NPLUG_KEY_SCHEME_SET1, rows[i].set1) == usage, "%s",
                      rows[i].code);
        ck_assert_uint_eq(nplug_key_usage(NPLUG_KEY_SCHEME_HID, usage), usage);
    }
    for (uint32_t code = 0; code < 800; code++) {
        uint16_t usage = nplug_key_usage(NPLUG_KEY_SCHEME_KERNEL, code);
        char name[48];
        if (!usage) continue;
        ck_assert_msg(by[usage]++ == 0, "kernel's %u: usage %x twice", code, usage);
        ck_assert_msg(nplug_control_name(NPLUG_CONTROL(NPLUG_CLASS_KEY, usage), name, 48) > 0,
                      "kernel's %u: usage %x", code, usage);
    }
    ck_assert_uint_eq(nplug_key_usage_from_code("KeyÖ"), 0);
    ck_assert_uint_eq(nplug_key_usage(NPLUG_KEY_SCHEME_X11, 3), 0);
}
