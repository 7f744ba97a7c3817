/* The linux port on a real kernel: runs as root in a guest that has uinput and uhid. */
#include "nestplug/nestplug.h"
#include "../standin/plug.h"
#include "../listed.h"
#include <dirent.h>
#include <linux/uinput.h>
#include <pthread.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/ioctl.h>
#include <sys/stat.h>
#include <unistd.h>

enum { STEER, THROTTLE, HORN, LOOK };
static const nplug_action_def actions[] = {
    [STEER] = {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left", 0},
    [THROTTLE] = {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0},
    [HORN] = {"horn", NPLUG_ACTION_BUTTON, "pad:south", 0},
    [LOOK] = {"look", NPLUG_ACTION_MOTION, "mouse:move", 0},
};

void plug_failed(const char *what, const char *why)
{
    ck_abort_msg("cannot %s: %s", what, why);
}

typedef struct rig {
    nplug_nest *nest;
    nplug_linux *port;
} rig;

static nplug_counts counts_of(const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_counts, counts);
    ck_assert_int_eq(nplug_nest_counts(nest, &counts), NPLUG_OK);
    return counts;
}

static rig open_game(const nplug_game *game, nplug_linux_setup setup, const nplug_limits *limits)
{
    nplug_setup nest_setup = nplug_setup_default();
    rig r;

    nest_setup.limits = limits;
    ck_assert_int_eq(nplug_start_bare(game, &nest_setup, &r.nest), NPLUG_OK);
    r.port = nplug_linux_open(&setup, malloc(nplug_linux_memory_needed(&setup)),
                              nplug_linux_memory_needed(&setup));
    ck_assert_ptr_nonnull(r.port);
    ck_assert_int_eq(nplug_linux_attach(r.port, r.nest), NPLUG_OK);
    nplug_step(r.nest, nplug_now());
    return r;
}

static rig open_rig(nplug_linux_setup setup, const nplug_limits *limits)
{
    nplug_game game = nplug_game_for_one("guest", actions, 4);

    return open_game(&game, setup, limits);
}

static void close_rig(rig *r)
{
    nplug_stop(r->nest);
    free(r->port);
}

static nplug_device_facts info_of(const rig *r, nplug_device device)
{
    NPLUG_SIZED(nplug_device_facts, info);

    ck_assert_int_eq(nplug_device_info(r->nest, device, &info), NPLUG_OK);
    return info;
}

static nplug_linux_facts state_of(const rig *r)
{
    NPLUG_SIZED(nplug_linux_facts, state);

    ck_assert_int_eq(nplug_linux_info(r->port, &state), NPLUG_OK);
    return state;
}

/* The device of these numbers that is here, 0 for none. */
static nplug_device find(const rig *r, uint16_t vendor, uint16_t product)
{
    for (uint32_t i = 0; i < nplug_device_count(r->nest); i++) {
        nplug_device_facts info = info_of(r, nplug_device_at(r->nest, i));
        if (info.vendor == vendor && info.product == product) return info.device;
    }
    return 0;
}

/* Steps until the device is here (or gone), for two seconds at most. */
static nplug_device wait_for(const rig *r, uint16_t vendor, uint16_t product, bool here)
{
    nplug_device found = 0;

    for (int i = 0; i < 200; i++) {
        nplug_step(r->nest, nplug_now());
        found = find(r, vendor, product);
        if ((found != 0) == here) return found;
        usleep(10000);
    }
    ck_abort_msg("%04x:%04x is %s", vendor, product, here ? "not here" : "still here");
    return 0;
}

/* Waits long enough for a thread of the port's own on a slow machine. */
static void settle(const rig *r)
{
    usleep(100000);
    nplug_step(r->nest, nplug_now());
}

/* The signal of a code of a device. */
static nplug_signal_facts signal_of(const rig *r, nplug_device device, uint32_t code)
{
    NPLUG_SIZED(nplug_signal_facts, info);

    for (uint32_t i = 0; nplug_signal_info(r->nest, device, i, &info) == NPLUG_OK; i++)
        if (info.code == code) return info;
    ck_abort_msg("no signal %x", code);
    return info;
}

static int open_files(void)
{
    DIR *dir = opendir("/proc/self/fd");
    int count = 0;

    while (readdir(dir))
        count++;
    closedir(dir);
    return count;
}

#define ABS_CODE(code) ((uint32_t)EV_ABS << 16 | (code))
#define KEY_CODE(code) ((uint32_t)EV_KEY << 16 | (code))

TESTS(a_pad_is_plugged_played_and_unplugged_in_mid_press, 2)
{
    nplug_linux_setup setup = nplug_linux_setup_default();
    nplug_device pad;
    bool released = false;
    rig r;
    int fd;

    setup.own_thread = _i == 1;
    r = open_rig(setup, NULL);
    fd = plug_heron("quay/input0");
    pad = wait_for(&r, 0xb12d, 0x0101, true);
    ck_assert_str_eq(info_of(&r, pad).sheet, "heron");
    ck_assert_uint_eq(info_of(&r, pad).controls, 19);
    plug_say(fd, EV_ABS, ABS_X, 32767);
    plug_say(fd, EV_ABS, ABS_Y, -32768);
    plug_say(fd, EV_KEY, BTN_SOUTH, 1);
    plug_sync(fd);
    settle(&r);
    ck_assert(nplug_held(r.nest, 1, HORN));
    ck_assert_float_eq(nplug_vector(r.nest, 1, STEER).x, 1.0f);
    ck_assert_float_eq(nplug_vector(r.nest, 1, STEER).y, 1.0f);
    plug_say(fd, EV_ABS, ABS_RZ, 1023);
    plug_say(fd, EV_ABS, ABS_HAT0X, -1);
    plug_sync(fd);
    settle(&r);
    ck_assert_float_eq(nplug_level(r.nest, 1, THROTTLE), 1.0f);
    ck_assert_float_eq(
        nplug_control_value(r.nest, pad, NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_DPAD_LEFT)).x,
        1.0f);
    plug_out(fd);
    for (int i = 0; i < 200 && find(&r, 0xb12d, 0x0101); i++) {
        usleep(10000);
        nplug_step(r.nest, nplug_now());
        for (uint32_t e = 0; e < nplug_event_count(r.nest); e++) {
            const nplug_event *event = nplug_event_at(r.nest, e);
            if (event->kind != NPLUG_EVENT_RELEASE || event->action != HORN) continue;
            /* By the kernel as the node dies, or by the departure: no person did it. */
            ck_assert_uint_eq(event->flags & NPLUG_EVENT_FLAG_CANCELLED,
                              NPLUG_EVENT_FLAG_CANCELLED);
            released = true;
        }
    }
    ck_assert(released);
    ck_assert(!nplug_held(r.nest, 1, HORN));
    close_rig(&r);
}

TEST(what_is_held_when_the_port_opens_is_known_and_spent)
{
    int fd = plug_heron(NULL);
    nplug_device pad;
    rig r;

    plug_say(fd, EV_KEY, BTN_SOUTH, 1);
    plug_say(fd, EV_ABS, ABS_X, 32767);
    plug_sync(fd);
    r = open_rig(nplug_linux_setup_default(), NULL);
    pad = wait_for(&r, 0xb12d, 0x0101, true);
    ck_assert_int_eq(signal_of(&r, pad, KEY_CODE(BTN_SOUTH)).raw, 1);
    ck_assert(!nplug_held(r.nest, 1, HORN));
    plug_say(fd, EV_KEY, BTN_SOUTH, 0);
    plug_sync(fd);
    plug_say(fd, EV_KEY, BTN_SOUTH, 1);
    plug_sync(fd);
    settle(&r);
    ck_assert_uint_eq(nplug_presses(r.nest, 1, HORN), 1);
    plug_out(fd);
    close_rig(&r);
}

TEST(ranges_are_the_kernels_and_odd_devices_arrive)
{
    struct input_absinfo eight = {.minimum = 0, .maximum = 255, .value = 0};
    struct input_absinfo off = {.minimum = 3, .maximum = 1019, .flat = 15, .fuzz = 4};
    struct input_absinfo lie = {.minimum = 7, .maximum = 7};
    plug_id odd = {"Curlew Pad", BUS_USB, 0xb12d, 0x0301, NULL},
            liar = {" ", BUS_VIRTUAL, 0, 0, NULL};
    rig r = open_rig(nplug_linux_setup_default(), NULL);
    nplug_device device;
    int fd = plug_begin(), lying;

    plug_abs(fd, ABS_X, eight);
    plug_abs(fd, ABS_Y, off);
    plug_key(fd, BTN_SOUTH);
    plug_key(fd, BTN_DPAD_UP);
    plug_key(fd, BTN_TL2);
    plug_end(fd, odd);
    device = wait_for(&r, 0xb12d, 0x0301, true);
    ck_assert_int_eq(signal_of(&r, device, ABS_CODE(ABS_X)).max, 255);
    ck_assert_int_eq(signal_of(&r, device, ABS_CODE(ABS_Y)).min, 3);
    ck_assert(!signal_of(&r, device, ABS_CODE(ABS_X)).heard); /* 0, but it never moved */
    plug_say(fd, EV_ABS, ABS_Y, 1019);
    plug_say(fd, EV_KEY, BTN_DPAD_UP, 1);
    plug_sync(fd);
    settle(&r);
    ck_assert_int_eq(signal_of(&r, device, ABS_CODE(ABS_Y)).raw, 1019);
    ck_assert_int_eq(signal_of(&r, device, KEY_CODE(BTN_DPAD_UP)).raw, 1);
    lying = plug_begin();
    plug_abs(lying, ABS_X, lie);
    plug_key(lying, BTN_SOUTH);
    plug_end(lying, liar);
    device = wait_for(&r, 0, 0, true);
    ck_assert_int_eq(signal_of(&r, device, ABS_CODE(ABS_X)).max, 7);
    plug_out(fd);
    plug_out(lying);
    close_rig(&r);
}

TEST(keyboards_and_mice_are_read_only_when_asked_for)
{
    plug_id keys_id = {"Turnstone", BUS_USB, 0xb12d, 0x0702, NULL};
    plug_id mouse_id = {"Stint Mouse", BUS_USB, 0xb12d, 0x0801, NULL};
    nplug_linux_setup setup = nplug_linux_setup_default();
    int keys = plug_begin(), mouse = plug_begin();
    nplug_device device;
    rig shy, r;

    for (int code = KEY_ESC; code <= KEY_F12; code++)
        plug_key(keys, code);
    plug_end(keys, keys_id);
    plug_rel(mouse, REL_X);
    plug_rel(mouse, REL_Y);
    plug_rel(mouse, REL_WHEEL);
    plug_rel(mouse, REL_WHEEL_HI_RES);
    plug_key(mouse, BTN_LEFT);
    plug_end(mouse, mouse_id);
    shy = open_rig(setup, NULL);
    settle(&shy);
    ck_assert_uint_eq(find(&shy, 0xb12d, 0x0702), 0);
    ck_assert_uint_eq(find(&shy, 0xb12d, 0x0801), 0);
    close_rig(&shy);
    setup.also = NPLUG_LINUX_KEYBOARDS | NPLUG_LINUX_MICE;
    r = open_rig(setup, NULL);
    device = wait_for(&r, 0xb12d, 0x0702, true);
    plug_say(keys, EV_KEY, KEY_H, 1);
    plug_sync(keys);
    device = wait_for(&r, 0xb12d, 0x0801, true);
    for (int i = 0; i < 10; i++) {
        plug_say(mouse, EV_REL, REL_X, 3);
        plug_say(mouse, EV_REL, REL_WHEEL_HI_RES, 15);
        plug_sync(mouse);
    }
    settle(&r);
    ck_assert_float_eq(nplug_motion(r.nest, 1, LOOK).x, 30.0f);
    ck_assert_int_eq(signal_of(&r, device, (uint32_t)EV_REL << 16 | REL_WHEEL_HI_RES).raw, 150);
    device = find(&r, 0xb12d, 0x0702);
    ck_assert_int_eq(signal_of(&r, device, KEY_CODE(KEY_H)).raw, 1);
    plug_out(keys);
    plug_out(mouse);
    close_rig(&r);
}

TEST(a_touch_table_has_ten_contacts)
{
    struct input_absinfo slot = {.minimum = 0, .maximum = 9}, x = {.minimum = 0, .maximum = 4095};
    struct input_absinfo id = {.minimum = 0, .maximum = 65535};
    plug_id tern = {"Tern", BUS_USB, 0xb12d, 0x0901, NULL};
    rig r = open_rig(nplug_linux_setup_default(), NULL);
    nplug_device device;
    int fd = plug_begin();

    plug_abs(fd, ABS_MT_SLOT, slot);
    plug_abs(fd, ABS_MT_TRACKING_ID, id);
    plug_abs(fd, ABS_MT_POSITION_X, x);
    plug_abs(fd, ABS_MT_POSITION_Y, x);
    plug_key(fd, BTN_TOUCH);
    plug_end(fd, tern);
    device = wait_for(&r, 0xb12d, 0x0901, true);
    ck_assert_uint_eq(info_of(&r, device).signals, 1 + 3 * 10 + 1); /* and the pointer */
    for (int s = 0; s < 10; s++) {
        plug_say(fd, EV_ABS, ABS_MT_SLOT, s);
        plug_say(fd, EV_ABS, ABS_MT_TRACKING_ID, 100 + s);
        plug_say(fd, EV_ABS, ABS_MT_POSITION_X, 400 * s + 1);
    }
    plug_sync(fd);
    settle(&r);
    for (uint32_t s = 0; s < 10; s++) {
        ck_assert_int_eq(signal_of(&r, device, s << 24 | ABS_CODE(ABS_MT_TRACKING_ID)).raw,
                         100 + (int)s);
        ck_assert_int_eq(signal_of(&r, device, s << 24 | ABS_CODE(ABS_MT_POSITION_X)).raw,
                         400 * (int)s + 1);
    }
    plug_say(fd, EV_ABS, ABS_MT_SLOT, 4);
    plug_say(fd, EV_ABS, ABS_MT_TRACKING_ID, -1);
    plug_sync(fd);
    settle(&r);
    ck_assert_int_eq(signal_of(&r, device, 4u << 24 | ABS_CODE(ABS_MT_TRACKING_ID)).raw, -1);
    plug_out(fd);
    close_rig(&r);
}

/* The kernel says which slot it speaks of only when that changes: whoever opens late asks. */
TEST(a_finger_in_another_slot_is_followed_by_who_opens_late)
{
    struct input_absinfo slot = {.minimum = 0, .maximum = 4};
    struct input_absinfo x = {.minimum = 0, .maximum = 1000, .resolution = 10};
    plug_id id = {"Tern Screen", BUS_USB, 0xb12d, 0x0f04, "quay-6/input0"};
    int fd = plug_begin();
    nplug_device screen;
    rig r;

    plug_key(fd, BTN_TOUCH);
    plug_abs(fd, ABS_MT_SLOT, slot);
    plug_abs(fd, ABS_MT_TRACKING_ID, (struct input_absinfo){.maximum = 65535});
    plug_abs(fd, ABS_MT_POSITION_X, x);
    plug_abs(fd, ABS_MT_POSITION_Y, x);
    plug_end(fd, id);
    plug_say(fd, EV_ABS, ABS_MT_SLOT, 2);
    plug_say(fd, EV_ABS, ABS_MT_TRACKING_ID, 40);
    plug_say(fd, EV_ABS, ABS_MT_POSITION_X, 100);
    plug_sync(fd);
    r = open_rig(nplug_linux_setup_default(), NULL);
    screen = wait_for(&r, id.vendor, id.product, true);
    plug_say(fd, EV_ABS, ABS_MT_POSITION_X, 900);
    plug_sync(fd);
    settle(&r);
    ck_assert_float_eq_tol(
        nplug_control_value(r.nest, screen, nplug_control_from_name("touch:contact-3", 15)).x, 0.9f,
        0.001f);
    ck_assert_float_eq(
        nplug_control_value(r.nest, screen, nplug_control_from_name("touch:contact-down-3", 20)).x,
        1.0f);
    ck_assert_int_eq(signal_of(&r, screen, 2u << 24 | ABS_CODE(ABS_MT_POSITION_X)).resolution, 10);
    plug_out(fd);
    close_rig(&r);
}

static const nplug_zone_def zones[] = {
    {"horn", NULL, NPLUG_ZONE_BUTTON, 0, 0, 0, NPLUG_CORNER_TOP_LEFT, 0, 0, 0, 0.5f, 1, 0, 0},
    {"wheel", "pad:stick-left", NPLUG_ZONE_STICK, 0, 0, 0, NPLUG_CORNER_TOP_RIGHT, 0, 0, 0, 0.5f, 1,
     0.25f, 0},
};
static const nplug_action_def zone_actions[] = {
    {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left", 0},
    {"horn", NPLUG_ACTION_BUTTON, "zone:horn", 0},
};

/* A screen of 100 mm by 100 mm with two slots. */
static int plug_in_screen(plug_id id)
{
    struct input_absinfo place = {.maximum = 1000, .resolution = 10};
    int fd = plug_begin();

    plug_key(fd, BTN_TOUCH);
    plug_abs(fd, ABS_MT_SLOT, (struct input_absinfo){.maximum = 1});
    plug_abs(fd, ABS_MT_TRACKING_ID, (struct input_absinfo){.maximum = 65535});
    plug_abs(fd, ABS_MT_POSITION_X, place);
    plug_abs(fd, ABS_MT_POSITION_Y, place);
    plug_end(fd, id);
    return fd;
}

/* What the kernel's slot is told: the kernel keeps from us whatever is as it was. */
static void finger(int fd, int slot, int id, int x, int y)
{
    plug_say(fd, EV_ABS, ABS_MT_SLOT, slot);
    plug_say(fd, EV_ABS, ABS_MT_TRACKING_ID, id);
    if (id >= 0) plug_say(fd, EV_ABS, ABS_MT_POSITION_X, x);
    if (id >= 0) plug_say(fd, EV_ABS, ABS_MT_POSITION_Y, y);
    plug_sync(fd);
}

static nplug_contact_facts contact_of(const rig *r, uint32_t index)
{
    NPLUG_SIZED(nplug_contact_facts, facts);

    ck_assert_int_eq(nplug_contact_info(r->nest, index, &facts), NPLUG_OK);
    return facts;
}

TEST(fingers_on_a_screen_play_zones)
{
    plug_id id = {"Tern Screen", BUS_USB, 0xb12d, 0x0f05, "quay-7/input0"};
    nplug_game game = nplug_game_for_one("guest", zone_actions, 2);
    NPLUG_SIZED(nplug_surface, surface);
    int fd = plug_in_screen(id);
    nplug_device screen;
    rig r;

    game.zones = zones;
    game.zone_count = 2;
    r = open_game(&game, nplug_linux_setup_default(), NULL);
    screen = wait_for(&r, id.vendor, id.product, true);
    ck_assert_int_eq(nplug_surface_info(r.nest, screen, &surface), NPLUG_OK);
    ck_assert_float_eq_tol(surface.width_mm, 100.0f, 0.2f);
    finger(fd, 0, 7, 200, 500);
    finger(fd, 1, 8, 750, 500);
    settle(&r);
    ck_assert(nplug_held(r.nest, NPLUG_EVERYONE, 1));
    ck_assert_uint_eq(nplug_contact_count(r.nest), 2);
    ck_assert_uint_eq(contact_of(&r, 0).zone, 0);
    ck_assert_uint_eq(contact_of(&r, 1).zone, 1);
    finger(fd, 1, 8, 1000, 500);
    settle(&r);
    ck_assert_float_eq_tol(nplug_vector(r.nest, NPLUG_EVERYONE, 0).x, 1.0f, 0.01f);
    /* lifted, and down again at the same place: the kernel does not repeat the place */
    finger(fd, 0, -1, 0, 0);
    settle(&r);
    ck_assert(!nplug_held(r.nest, NPLUG_EVERYONE, 1));
    finger(fd, 0, 9, 200, 500);
    settle(&r);
    ck_assert(nplug_held(r.nest, NPLUG_EVERYONE, 1));
    ck_assert_float_eq_tol(contact_of(&r, 1).place.x, 0.2f, 0.002f);
    /* the same number again at once, without a step between */
    finger(fd, 0, -1, 0, 0);
    finger(fd, 0, 9, 200, 500);
    settle(&r);
    ck_assert_uint_eq(nplug_presses(r.nest, NPLUG_EVERYONE, 1), 1);
    ck_assert(nplug_held(r.nest, NPLUG_EVERYONE, 1));
    /* replaced without an end: the one on the stick has gone, the new one is on no knob of it */
    finger(fd, 1, 10, 100, 900);
    settle(&r);
    ck_assert_float_eq(nplug_vector(r.nest, NPLUG_EVERYONE, 0).x, 0.0f);
    ck_assert(contact_of(&r, 0).ended);
    /* unplugged with both down */
    plug_out(fd);
    wait_for(&r, id.vendor, id.product, false);
    ck_assert(!nplug_held(r.nest, NPLUG_EVERYONE, 1));
    close_rig(&r);
}

static const nplug_action_def pointing[] = {{"click", NPLUG_ACTION_BUTTON, "pointer:press", 0}};

static nplug_pointer_facts pointer_of(const rig *r)
{
    NPLUG_SIZED(nplug_pointer_facts, facts);

    ck_assert_int_eq(nplug_pointer_info(r->nest, 1, &facts), NPLUG_OK);
    return facts;
}

/* A pen is near, presses, is lifted and goes; a mouse on a tablet is where it lies. */
TESTS(a_pen_and_a_mouse_with_a_place_point, 2)
{
    static const int buttons[2][4] = {{BTN_TOOL_PEN, BTN_TOUCH, BTN_STYLUS, 0}, {BTN_LEFT, 0}};
    static const plug_id ids[2] = {{"Ruff Pen", BUS_USB, 0xb12d, 0x0f06, "quay-8/input0"},
                                   {"Ruff Mouse", BUS_USB, 0xb12d, 0x0f07, "quay-9/input0"}};
    struct input_absinfo place = {.maximum = 1000, .resolution = 10};
    nplug_game game = nplug_game_for_one("guest", pointing, 1);
    int press = _i ? BTN_LEFT : BTN_TOUCH, fd = plug_begin();
    nplug_linux_setup setup = nplug_linux_setup_default();
    rig r;

    for (int i = 0; buttons[_i][i]; i++)
        plug_key(fd, buttons[_i][i]);
    plug_abs(fd, ABS_X, place);
    plug_abs(fd, ABS_Y, place);
    if (_i == 0) plug_abs(fd, ABS_PRESSURE, (struct input_absinfo){.maximum = 255});
    plug_end(fd, ids[_i]);
    setup.also = NPLUG_LINUX_MICE;
    r = open_game(&game, setup, NULL);
    wait_for(&r, ids[_i].vendor, ids[_i].product, true);
    if (_i == 0) plug_say(fd, EV_KEY, BTN_TOOL_PEN, 1);
    plug_say(fd, EV_ABS, ABS_X, 250);
    plug_say(fd, EV_ABS, ABS_Y, 750);
    plug_sync(fd);
    settle(&r);
    ck_assert(!pointer_of(&r).down && pointer_of(&r).hovers);
    ck_assert_float_eq_tol(pointer_of(&r).place.x, 0.25f, 0.001f);
    plug_say(fd, EV_KEY, press, 1);
    if (_i == 0) plug_say(fd, EV_ABS, ABS_PRESSURE, 51);
    plug_sync(fd);
    settle(&r);
    ck_assert(pointer_of(&r).down && nplug_held(r.nest, 1, 0));
    ck_assert_float_eq_tol(pointer_of(&r).press_place.y, 0.75f, 0.001f);
    ck_assert_float_eq_tol(pointer_of(&r).pressure, _i ? 1.0f : 0.2f, 0.001f);
    plug_say(fd, EV_KEY, press, 0);
    plug_sync(fd);
    settle(&r);
    ck_assert(!pointer_of(&r).down && !pointer_of(&r).cancelled && !nplug_held(r.nest, 1, 0));
    plug_out(fd);
    wait_for(&r, ids[_i].vendor, ids[_i].product, false);
    close_rig(&r);
}

TEST(a_device_with_sixty_axes_and_two_hundred_keys_arrives_whole)
{
    struct input_absinfo range = {.minimum = -100, .maximum = 100};
    plug_id godwit = {"Godwit", BUS_USB, 0xb12d, 0x0601, NULL};
    rig r = open_rig(nplug_linux_setup_default(), NULL);
    nplug_device device;
    uint32_t axes = 0;
    int fd = plug_begin();

    for (int code = 0; code < ABS_MT_SLOT; code++)
        if (code != 0x2e) {
            plug_abs(fd, code, range);
            axes++;
        }
    for (int code = 0; code < 200; code++)
        plug_key(fd, 500 + code);
    plug_key(fd, BTN_TRIGGER);
    plug_end(fd, godwit);
    device = wait_for(&r, 0xb12d, 0x0601, true);
    ck_assert_uint_eq(info_of(&r, device).signals, axes + 201);
    plug_say(fd, EV_ABS, ABS_MISC, 55);
    plug_sync(fd);
    settle(&r);
    ck_assert_int_eq(signal_of(&r, device, ABS_CODE(ABS_MISC)).raw, 55);
    plug_out(fd);
    close_rig(&r);
}

/* 16 buttons, a hat, two sticks and two triggers, by a report descriptor: the kernel's generic
 * driver decides the codes. */
static const uint8_t hid_pad[] = {
    0x05, 0x01, 0x09, 0x05, 0xa1, 0x01, 0x85, 0x01, 0x05, 0x09, 0x19, 0x01, 0x29, 0x10, 0x15, 0x00,
    0x25, 0x01, 0x75, 0x01, 0x95, 0x10, 0x81, 0x02, 0x05, 0x01, 0x09, 0x39, 0x15, 0x00, 0x25, 0x07,
    0x75, 0x04, 0x95, 0x01, 0x81, 0x42, 0x75, 0x04, 0x95, 0x01, 0x81, 0x03, 0x09, 0x30, 0x09, 0x31,
    0x09, 0x33, 0x09, 0x34, 0x16, 0x01, 0x80, 0x26, 0xff, 0x7f, 0x75, 0x10, 0x95, 0x04, 0x81, 0x02,
    0x09, 0x32, 0x09, 0x35, 0x15, 0x00, 0x26, 0xff, 0x00, 0x75, 0x08, 0x95, 0x02, 0x81, 0x02, 0xc0};

TEST(a_hid_pad_arrives_by_the_generic_driver)
{
    uint8_t report[14] = {1, 0x01, 0x00, 0x02, 0xff, 0x7f, 0x01, 0x80, 0, 0, 0, 0, 200, 0};
    plug_id id = {"Dunlin Pad", BUS_USB, 0xb12d, 0x0401, "quay-3/input0"};
    rig r = open_rig(nplug_linux_setup_default(), NULL);
    nplug_device device;
    int fd = plug_hid(id, hid_pad, sizeof hid_pad, NULL);

    device = wait_for(&r, 0xb12d, 0x0401, true);
    settle(&r);
    plug_hid_report(fd, report, sizeof report);
    settle(&r);
    ck_assert_int_eq(signal_of(&r, device, KEY_CODE(BTN_SOUTH)).raw, 1);
    ck_assert_int_eq(signal_of(&r, device, ABS_CODE(ABS_X)).raw, 32767);
    ck_assert_int_eq(signal_of(&r, device, ABS_CODE(ABS_Y)).raw, -32767);
    ck_assert_int_eq(signal_of(&r, device, ABS_CODE(ABS_HAT0X)).raw, 1);
    plug_hid_out(fd);
    wait_for(&r, 0xb12d, 0x0401, false);
    close(fd);
    close_rig(&r);
}

TEST(a_battery_is_told_and_is_a_signal)
{
    static const uint8_t battery[] = {0x05, 0x06, 0x09, 0x20, 0x15, 0x00, 0x25, 0x64,
                                      0x75, 0x08, 0x95, 0x01, 0x81, 0x02, 0xc0};
    uint8_t descriptor[sizeof hid_pad + sizeof battery], report[15] = {1, 0x01};
    plug_id id = {"Dunlin Pad", BUS_USB, 0xb12d, 0x0402, "quay-6/input0"};
    rig r = open_rig(nplug_linux_setup_default(), NULL);
    NPLUG_SIZED(nplug_device_facts, info);
    nplug_device device;
    int fd;

    memcpy(descriptor, hid_pad, sizeof hid_pad - 1);
    memcpy(descriptor + sizeof hid_pad - 1, battery, sizeof battery);
    fd = plug_hid(id, descriptor, sizeof hid_pad - 1 + sizeof battery, NULL);
    device = wait_for(&r, id.vendor, id.product, true);
    for (int charge = 55; charge >= 9; charge -= 46) {
        report[14] = (uint8_t)charge;
        report[1] ^= 1;
        plug_hid_report(fd, report, sizeof report);
        for (int i = 0; i < 20 && signal_of(&r, device, 0x00060020).raw != charge; i++)
            settle(&r);
        ck_assert_int_eq(signal_of(&r, device, 0x00060020).raw, charge);
        settle(&r);
        nplug_device_info(r.nest, device, &info);
        ck_assert_int_eq(info.battery_percent, charge);
    }
    plug_hid_out(fd);
    wait_for(&r, id.vendor, id.product, false);
    close(fd);
    close_rig(&r);
}

/* A pad whose kernel driver makes three nodes of it: pad, motion sensors, touch pad. */
static const uint8_t driver_pad[] = {
    0x05, 0x01, 0x09, 0x05, 0xa1, 0x01, 0x06, 0x00, 0xff, 0x15, 0x00, 0x26, 0xff, 0x00, 0x75,
    0x08, 0x85, 0x01, 0x09, 0x20, 0x95, 63,   0x81, 0x02, 0x85, 0x02, 0x09, 0x21, 0x95, 47,
    0x91, 0x02, 0x85, 0x05, 0x09, 0x22, 0x95, 40,   0xb1, 0x02, 0x85, 0x09, 0x09, 0x23, 0x95,
    19,   0xb1, 0x02, 0x85, 0x20, 0x09, 0x24, 0x95, 63,   0xb1, 0x02, 0xc0};

static size_t driver_features(uint8_t number, uint8_t *answer)
{
    static const int calibration[17] = {0,   0,   0,    8704,  -8704, 8704,  -8704, 8704, -8704,
                                        540, 540, 8192, -8192, 8192,  -8192, 8192,  -8192};

    answer[0] = number;
    if (number == 5)
        for (int i = 0; i < 17; i++) {
            answer[1 + 2 * i] = (uint8_t)calibration[i];
            answer[2 + 2 * i] = (uint8_t)(calibration[i] >> 8);
        }
    if (number == 9)
        for (int i = 0; i < 6; i++)
            answer[1 + i] = (uint8_t)(0x10 + i);
    if (number == 0x20) answer[25] = answer[28] = 1;
    return number == 5 ? 41 : number == 9 ? 20 : number == 0x20 ? 64 : 0;
}

/* The driver pad's battery, which is known once it has said something: 4 tenths, and it is being
 * charged.  Its driver never says when that changes. */
static void check_battery(rig *r, int fd, nplug_device device)
{
    uint8_t report[64] = {1, 128, 128, 128, 128};

    report[8] = 8; /* the hat's rest */
    report[53] = 1 << 4 | 4;
    for (int i = 0; i < 40 && info_of(r, device).battery_percent != 45; i++) {
        report[1] ^= 64;
        plug_hid_report(fd, report, sizeof report);
        settle(r);
    }
    ck_assert_int_eq(info_of(r, device).battery_percent, 45);
    ck_assert(info_of(r, device).charging);
}

TEST(nodes_of_one_piece_of_hardware_arrive_as_one_device)
{
    plug_id id = {"Made-up Pad", BUS_USB, 0x054c, 0x0ce6, "quay-4/input0"};
    rig r = open_rig(nplug_linux_setup_default(), NULL);
    nplug_device device;
    int fd = plug_hid(id, driver_pad, sizeof driver_pad, driver_features);

    device = wait_for(&r, 0x054c, 0x0ce6, true);
    usleep(300000);
    settle(&r);
    ck_assert_uint_eq(state_of(&r).open, nplug_device_count(r.nest) + 2);
    signal_of(&r, device, KEY_CODE(BTN_SOUTH));                    /* the pad */
    signal_of(&r, device, 1u << 24 | ABS_CODE(ABS_MT_POSITION_X)); /* its touch pad */
    signal_of(&r, device, ABS_CODE(ABS_RZ));
    ck_assert_int_eq(nplug_show_player(r.nest, device, 1), NPLUG_OK);
    settle(&r);
    ck_assert_int_eq(system("grep -q 1 /sys/class/leds/*:player-1/brightness && "
                            "grep -q 0 /sys/class/leds/*:player-2/brightness"),
                     0);
    check_battery(&r, fd, device);
    plug_hid_out(fd);
    wait_for(&r, 0x054c, 0x0ce6, false);
    close(fd);
    close_rig(&r);
}

/* Pads that the kernel has drivers of its own for, known by their numbers alone: whatever a driver
 * makes of the descriptor, the pad arrives and its press is heard. */
static const struct {
    uint16_t bus, vendor, product;
} driven[] = {{BUS_USB, 0x0079, 0x0006}, {BUS_BLUETOOTH, 0x045e, 0x02fd}};

static bool has_own_driver(uint16_t vendor, uint16_t product)
{
    char path[300], target[300] = "", number[16];
    DIR *dir = opendir("/sys/bus/hid/devices");
    struct dirent *entry;

    snprintf(number, sizeof number, "%04X:%04X", vendor, product);
    while (dir && (entry = readdir(dir)) != NULL) {
        if (!strstr(entry->d_name, number)) continue;
        snprintf(path, sizeof path, "/sys/bus/hid/devices/%.200s/driver", entry->d_name);
        if (readlink(path, target, sizeof target - 1) < 0) target[0] = 0;
    }
    if (dir) closedir(dir);
    return *target && !strstr(target, "hid-generic");
}

TESTS(pads_with_kernel_drivers_arrive, 2)
{
    /* Seven bytes of output follow, since one of the drivers wants them for its rumble. */
    static const uint8_t output[] = {0x06, 0x00, 0xff, 0x09, 0x01, 0x15, 0x00, 0x26, 0xff,
                                     0x00, 0x75, 0x08, 0x95, 0x07, 0x91, 0x02, 0xc0};
    uint8_t descriptor[sizeof hid_pad + sizeof output], report[14] = {1, 0x01};
    plug_id id = {"Made-up Pad", driven[_i].bus, driven[_i].vendor, driven[_i].product,
                  "quay-5/input0"};
    rig r = open_rig(nplug_linux_setup_default(), NULL);
    nplug_device device;
    bool pressed = false;
    int fd;

    memcpy(descriptor, hid_pad, sizeof hid_pad - 1);
    memcpy(descriptor + sizeof hid_pad - 1, output, sizeof output);
    fd = plug_hid(id, descriptor, sizeof hid_pad - 1 + sizeof output, NULL);
    device = wait_for(&r, id.vendor, id.product, true);
    ck_assert(has_own_driver(id.vendor, id.product));
    plug_hid_report(fd, report, sizeof report);
    settle(&r);
    for (uint32_t i = 0; i < info_of(&r, device).signals; i++) {
        NPLUG_SIZED(nplug_signal_facts, info);
        nplug_signal_info(r.nest, device, i, &info);
        pressed |= info.nature == NPLUG_NATURE_BUTTON && info.raw == 1;
    }
    ck_assert(pressed);
    plug_hid_out(fd);
    wait_for(&r, id.vendor, id.product, false);
    close(fd);
    close_rig(&r);
}

static uint32_t arrivals_in_a_step(const rig *r)
{
    uint32_t count = 0;

    nplug_step(r->nest, nplug_now());
    for (uint32_t e = 0; e < nplug_event_count(r->nest); e++)
        count += nplug_event_at(r->nest, e)->kind == NPLUG_EVENT_ARRIVAL;
    return count;
}

TEST(five_hundred_plugs_leave_nothing_open)
{
    rig r = open_rig(nplug_linux_setup_default(), NULL);
    int steady = plug_heron("quay/input9"), before;
    uint32_t seen = 0;

    wait_for(&r, 0xb12d, 0x0101, true);
    before = open_files();
    for (int i = 0; i < 500; i++) {
        int fd = plug_begin();
        plug_id id = {"Wobble", BUS_USB, 0xb12d, 0x0111, NULL};
        plug_key(fd, BTN_SOUTH);
        plug_end(fd, id);
        plug_say(steady, EV_ABS, ABS_X, i * 60 + 1);
        plug_sync(steady);
        plug_say(fd, EV_KEY, BTN_SOUTH, 1);
        plug_sync(fd);
        if (i % 3) seen += arrivals_in_a_step(&r);
        plug_out(fd);
        seen += arrivals_in_a_step(&r);
    }
    wait_for(&r, 0xb12d, 0x0111, false);
    ck_assert_uint_gt(seen, 300);
    ck_assert_int_le(open_files(), before); /* a node of an earlier test may have gone meanwhile */
    ck_assert_int_eq(signal_of(&r, find(&r, 0xb12d, 0x0101), ABS_CODE(ABS_X)).raw, 499 * 60 + 1);
    ck_assert(!nplug_held(r.nest, 1, HORN));
    plug_out(steady);
    close_rig(&r);
}

TEST(dropped_events_are_made_good)
{
    rig r = open_rig(nplug_linux_setup_default(), NULL);
    int fd = plug_heron(NULL);
    bool resynced = false;

    wait_for(&r, 0xb12d, 0x0101, true);
    plug_say(fd, EV_KEY, BTN_SOUTH, 1);
    plug_sync(fd);
    settle(&r);
    ck_assert(nplug_held(r.nest, 1, HORN));
    plug_say(fd, EV_KEY, BTN_SOUTH, 0); /* its end is among what the kernel drops */
    plug_sync(fd);
    for (int i = 1; i < 5000; i++) {
        plug_say(fd, EV_ABS, ABS_X, i % 2 ? i : -i);
        plug_sync(fd);
    }
    for (int i = 0; i < 20; i++) {
        settle(&r);
        for (uint32_t e = 0; e < nplug_event_count(r.nest); e++)
            resynced |= nplug_event_at(r.nest, e)->kind == NPLUG_EVENT_RESYNCED;
    }
    ck_assert(resynced);
    ck_assert(!nplug_held(r.nest, 1, HORN));
    ck_assert_int_eq(signal_of(&r, find(&r, 0xb12d, 0x0101), ABS_CODE(ABS_X)).raw, 4999);
    plug_out(fd);
    close_rig(&r);
}

/* The descriptor by which this process has a node open. */
static int descriptor_of(const char *node)
{
    char link[64], target[64];

    for (int fd = 3; fd < 256; fd++) {
        ssize_t length;
        snprintf(link, sizeof link, "/proc/self/fd/%d", fd);
        length = readlink(link, target, sizeof target - 1);
        if (length > 0 && strncmp(target, node, (size_t)length) == 0 && !node[length]) return fd;
    }
    return -1;
}

TEST(a_revoked_node_is_a_departure)
{
    rig r = open_rig(nplug_linux_setup_default(), NULL);
    int fd = plug_heron(NULL);
    nplug_device pad = wait_for(&r, 0xb12d, 0x0101, true);
    bool departed = false;
    char node[64];

    plug_node(fd, node, sizeof node);
    plug_say(fd, EV_KEY, BTN_SOUTH, 1);
    plug_sync(fd);
    settle(&r);
    ck_assert(nplug_held(r.nest, 1, HORN));
    ck_assert_int_eq(ioctl(descriptor_of(node), EVIOCREVOKE, NULL), 0);
    for (int i = 0; i < 20 && !departed; i++) {
        settle(&r);
        departed = !info_of(&r, pad).present;
    }
    ck_assert(departed);
    ck_assert(!nplug_held(r.nest, 1, HORN));
    plug_out(fd);
    wait_for(&r, 0xb12d, 0x0101, false);
    close_rig(&r);
}

TEST(permission_taken_and_given)
{
    char node[64];
    int fd = plug_heron(NULL);
    nplug_device device;
    rig r;

    plug_node(fd, node, sizeof node);
    ck_assert_int_eq(chmod(node, 0600), 0);
    ck_assert_int_eq(seteuid(65534), 0);
    r = open_rig(nplug_linux_setup_default(), NULL);
    device = wait_for(&r, 0xb12d, 0x0101, true);
    ck_assert(info_of(&r, device).unreadable);
    ck_assert_str_eq(info_of(&r, device).name, "Heron Pad");
    ck_assert_uint_ge(state_of(&r).unreadable, 1);
    ck_assert_int_eq(seteuid(0), 0);
    ck_assert_int_eq(chmod(node, 0666), 0);
    ck_assert_int_eq(seteuid(65534), 0);
    for (int i = 0; i < 100 && info_of(&r, find(&r, 0xb12d, 0x0101)).unreadable; i++)
        settle(&r);
    device = find(&r, 0xb12d, 0x0101);
    ck_assert(!info_of(&r, device).unreadable);
    ck_assert_uint_eq(info_of(&r, device).controls, 19);
    ck_assert_int_eq(seteuid(0), 0);
    plug_out(fd);
    wait_for(&r, 0xb12d, 0x0101, false);
    close_rig(&r);
}

/* --- rumble --------------------------------------------------------------------------------- */

/* What the driver of a simulated pad is told: magnitudes of each upload, in order, and whether the
 * last one plays. */
typedef struct felt {
    int fd;
    uint32_t strong[8], uploads;
    int plays;
    bool over;
} felt;

static void take_upload(felt *f, int32_t request)
{
    struct uinput_ff_upload upload = {.request_id = (uint32_t)request};

    ioctl(f->fd, UI_BEGIN_FF_UPLOAD, &upload);
    f->strong[f->uploads++ % 8] = upload.effect.u.rumble.strong_magnitude;
    ioctl(f->fd, UI_END_FF_UPLOAD, &upload);
}

static void *answer_uploads(void *at)
{
    felt *f = at;
    struct input_event event;

    for (; !__atomic_load_n(&f->over, __ATOMIC_ACQUIRE); usleep(1000))
        while (read(f->fd, &event, sizeof event) == (ssize_t)sizeof event) {
            if (event.type == EV_UINPUT && event.code == UI_FF_UPLOAD) take_upload(f, event.value);
            if (event.type == EV_FF) f->plays = event.value;
        }
    return NULL;
}

static void step_for(const rig *r, uint32_t milliseconds)
{
    for (uint32_t i = 0; i < milliseconds; i += 5, usleep(5000))
        nplug_step(r->nest, nplug_now());
}

/* One rumble after the other, and a pause that ends all. */
TEST(rumble_is_felt)
{
    felt f = {.fd = plug_heron(NULL)};
    rig r = open_rig(nplug_linux_setup_default(), NULL);
    nplug_device pad = wait_for(&r, 0xb12d, 0x0101, true);
    pthread_t thread;

    ck_assert(info_of(&r, pad).rumbles);
    ck_assert(!info_of(&r, pad).lights);
    pthread_create(&thread, NULL, answer_uploads, &f);
    ck_assert_int_eq(nplug_rumble(r.nest, pad, 0.5f, 0.25f, 60), NPLUG_OK);
    ck_assert_int_eq(nplug_rumble_after(r.nest, pad, 0.25f, 0.0f, 30000), NPLUG_OK);
    step_for(&r, 200);
    ck_assert_uint_eq(f.uploads, 2);
    ck_assert_uint_eq(f.strong[0], 32767);
    ck_assert_uint_eq(f.strong[1], 16383);
    ck_assert_int_eq(f.plays, 1);
    nplug_pause_rumble(r.nest, true);
    ck_assert_int_eq(nplug_rumble(r.nest, pad, 1.0f, 1.0f, 100), NPLUG_OK);
    step_for(&r, 50);
    ck_assert_int_eq(f.plays, 0);
    ck_assert_uint_eq(f.uploads, 2);
    __atomic_store_n(&f.over, true, __ATOMIC_RELEASE);
    pthread_join(thread, NULL);
    plug_out(f.fd);
    close_rig(&r);
}

/* --- four pads at 1 kHz --------------------------------------------------------------------- */

#define PADS 4
static unsigned rate_seconds(void)
{
    const char *text = getenv("NPLUG_RATE_SECONDS");
    return text ? (unsigned)atoi(text) : 10;
}

static void *play_pads(void *fds)
{
    uint64_t begin = nplug_now();

    for (unsigned i = 1; i <= 1000 * rate_seconds(); i++) {
        uint64_t due = begin + i * UINT64_C(1000), now = nplug_now();
        if (due > now) usleep((unsigned)(due - now));
        for (int p = 0; p < PADS; p++) {
            plug_say(((int *)fds)[p], EV_ABS, ABS_X, (int)(i % 20000) + 1);
            plug_say(((int *)fds)[p], EV_KEY, BTN_SOUTH, (int)(i & 1));
            plug_sync(((int *)fds)[p]);
        }
    }
    return NULL;
}

static bool any_resynced(const rig *r)
{
    bool any = false;

    for (uint32_t e = 0; e < nplug_event_count(r->nest); e++)
        any |= nplug_event_at(r->nest, e)->kind == NPLUG_EVENT_RESYNCED;
    return any;
}

/* Plays the pads, and steps meanwhile: how many reports came.  One player hears all four: its horn
 * cannot tell them apart, the raw signals can.  *dropped: the kernel said that it dropped some
 * itself, since nothing ran here for too long. */
static uint64_t play(rig *r, int *fds, uint64_t expected, bool *dropped)
{
    uint64_t before = counts_of(r->nest).reports, came = 0;
    pthread_t thread;

    *dropped = false;
    pthread_create(&thread, NULL, play_pads, fds);
    for (unsigned i = 0; i < 200 * rate_seconds() + 100 && came != expected; i++) {
        usleep(5000);
        nplug_step(r->nest, nplug_now());
        *dropped |= any_resynced(r);
        came = counts_of(r->nest).reports - before;
    }
    pthread_join(thread, NULL);
    settle(r);
    *dropped |= any_resynced(r);
    return counts_of(r->nest).reports - before;
}

TEST(no_report_of_four_fast_pads_is_lost_or_doubled)
{
    nplug_limits limits = nplug_limits_default();
    uint64_t expected = (uint64_t)PADS * 1000 * rate_seconds() * 2, came;
    nplug_linux_setup setup = nplug_linux_setup_default();
    bool dropped = true;
    int fds[PADS];
    rig r;

    setup.own_thread = true;
    limits.events = 4096;
    limits.ring_slots = 4096;
    r = open_rig(setup, &limits);
    for (int p = 0; p < PADS; p++) {
        char phys[32];
        snprintf(phys, sizeof phys, "quay-%d/input0", p);
        fds[p] = plug_heron(phys);
    }
    for (int i = 0; i < 200 && nplug_device_count(r.nest) < PADS; i++)
        settle(&r);
    for (int i = 0; i < 3 && dropped; i++) {
        came = play(&r, fds, expected, &dropped);
        if (!dropped) ck_assert_uint_eq(came, expected);
    }
    ck_assert(!dropped);
    ck_assert_uint_eq(counts_of(r.nest).moves_dropped, 0);
    ck_assert_uint_eq(counts_of(r.nest).backwards, 0);
    for (int p = 0; p < PADS; p++)
        plug_out(fds[p]);
    close_rig(&r);
}
