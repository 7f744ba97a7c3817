/* The window port: what a game's loop hears becomes reports of four sorts of device. */
#include "nestplug/window.h"
#include <string.h>

/* The port's own numbers of its devices; pads from PAD_0 on. */
enum { KEYBOARD, MOUSE, TOUCH, PAD_0, PEN = PAD_0 + NPLUG_WINDOW_PADS_MAX };

#define BUS_HOST    0x19
#define KEYS_FIRST  0x04
#define KEYS_LAST   0xe7
#define KEYS        (KEYS_LAST - KEYS_FIRST + 1)
#define BUTTONS     5
#define HEARD_MAX   16
#define PAD_BUTTONS 17
#define PAD_AXES    4
#define FULL        65535

/* The mouse's signals, in the numbering of the kernel's interface, so that one sheet serves. */
enum {
    SIGNAL_MOVE_X,
    SIGNAL_MOVE_Y,
    SIGNAL_WHEEL_X,
    SIGNAL_WHEEL_Y,
    SIGNAL_BUTTON,
    SIGNAL_PLACE = SIGNAL_BUTTON + BUTTONS,
    MOUSE_SIGNALS = SIGNAL_PLACE + 2
};

/* The signals of a finger, one after the other for each; and of a pen. */
enum { FINGER_NUMBER, FINGER_X, FINGER_Y, FINGER_PRESSURE, FINGER_SIGNALS };
enum { PEN_DOWN, PEN_X, PEN_Y, PEN_PRESSURE, PEN_NEAR, PEN_SIGNALS };

struct nplug_window {
    nplug_ring *ring;
    uint32_t devices;
    bool typing;
    uint16_t heard[HEARD_MAX];
    size_t heard_count;
    bool key[KEYS], button[BUTTONS];
    uint32_t finger[NPLUG_WINDOW_CONTACTS];
    int32_t contact[NPLUG_WINDOW_CONTACTS][FINGER_SIGNALS]; /* as was said last */
    bool touched[NPLUG_WINDOW_CONTACTS];
    int32_t place[2], pen[PEN_SIGNALS];
    bool pad[NPLUG_WINDOW_PADS_MAX];
    int32_t pad_value[NPLUG_WINDOW_PADS_MAX][PAD_BUTTONS + PAD_AXES];
};

size_t nplug_window_memory_needed(void)
{
    return sizeof(nplug_window);
}

nplug_window *nplug_window_open(uint32_t devices, void *block, size_t size)
{
    nplug_window *window = (nplug_window *)block;

    if (!block || size < sizeof *window) return NULL;
    memset(window, 0, sizeof *window);
    window->devices = devices;
    return window;
}

/* --- reports -------------------------------------------------------------------------------- */

static nplug_report report_of(nplug_time time, uint32_t device, nplug_report_kind kind)
{
    nplug_report report = {0};

    report.time = time;
    report.device = device;
    report.kind = (uint8_t)kind;
    return report;
}

static nplug_result push_value(nplug_window *window, nplug_time time, uint32_t device,
                               unsigned signal, int32_t value)
{
    nplug_report report = report_of(time, device, NPLUG_REPORT_VALUE);

    report.signal = (uint16_t)signal;
    report.data.value = value;
    return nplug_push(window->ring, &report, 1);
}

/* Two values of one moment, which are movement. */
static nplug_result push_pair(nplug_window *window, nplug_time time, uint32_t device,
                              unsigned signal, int32_t x, int32_t y)
{
    nplug_report pair[2] = {report_of(time, device, NPLUG_REPORT_VALUE),
                            report_of(time, device, NPLUG_REPORT_VALUE)};

    pair[0].flags = NPLUG_REPORT_FLAG_MORE | NPLUG_REPORT_FLAG_MOVES;
    pair[1].flags = NPLUG_REPORT_FLAG_MOVES;
    pair[0].signal = (uint16_t)signal;
    pair[1].signal = (uint16_t)(signal + 1);
    pair[0].data.value = x;
    pair[1].data.value = y;
    return nplug_push(window->ring, pair, 2);
}

static void push_mark(nplug_window *window, nplug_time time, uint32_t device,
                      nplug_report_kind kind)
{
    nplug_report report = report_of(time, device, kind);
    nplug_push(window->ring, &report, 1);
}

static void push_arrive(nplug_window *window, nplug_time time, uint32_t device, uint16_t signals)
{
    nplug_report report = report_of(time, device, NPLUG_REPORT_ARRIVE);

    report.data.arrive.bus = BUS_HOST;
    report.data.arrive.product = (uint16_t)(device < PAD_0 ? device + 1
                                            : device < PEN ? PAD_0 + 1
                                                           : PAD_0 + 2);
    report.data.arrive.signals = signals;
    report.data.arrive.times = NPLUG_TIME_SOURCE_SERVER;
    nplug_push(window->ring, &report, 1);
}

typedef struct shape {
    nplug_space space;
    nplug_nature nature;
    int32_t min, max;
} shape;

static void push_signal(nplug_window *window, nplug_report report, unsigned signal, uint32_t code,
                        shape shape)
{
    report.kind = NPLUG_REPORT_SIGNAL;
    report.signal = (uint16_t)signal;
    report.data.signal.code = code;
    report.data.signal.min = shape.min;
    report.data.signal.max = shape.max;
    report.data.signal.space = (uint8_t)shape.space;
    report.data.signal.nature = (uint8_t)shape.nature;
    nplug_push(window->ring, &report, 1);
}

static void plug_keyboard(nplug_window *window)
{
    shape button = {NPLUG_SPACE_HID, NPLUG_NATURE_BUTTON, 0, 1};

    push_arrive(window, 0, KEYBOARD, KEYS);
    nplug_push_text(window->ring, 0, KEYBOARD, NPLUG_TEXT_NAME, "keyboard of the window");
    for (unsigned i = 0; i < KEYS; i++)
        push_signal(window, report_of(0, KEYBOARD, NPLUG_REPORT_SIGNAL), i,
                    7u << 16 | (KEYS_FIRST + i), button);
    push_mark(window, 0, KEYBOARD, NPLUG_REPORT_READY);
}

static void plug_mouse(nplug_window *window)
{
    static const uint32_t deltas[] = {2u << 16 | 0x00, 2u << 16 | 0x01, 2u << 16 | 0x06,
                                      2u << 16 | 0x08};
    static const uint32_t buttons[] = {1u << 16 | 0x110, 1u << 16 | 0x111, 1u << 16 | 0x112,
                                       1u << 16 | 0x113, 1u << 16 | 0x114};
    shape delta = {NPLUG_SPACE_EVDEV, NPLUG_NATURE_DELTA, 0, 0};
    shape button = {NPLUG_SPACE_EVDEV, NPLUG_NATURE_BUTTON, 0, 1};
    shape place = {NPLUG_SPACE_EVDEV, NPLUG_NATURE_POSITION, 0, FULL};

    push_arrive(window, 0, MOUSE, MOUSE_SIGNALS);
    nplug_push_text(window->ring, 0, MOUSE, NPLUG_TEXT_NAME, "mouse of the window");
    for (unsigned i = 0; i < SIGNAL_BUTTON; i++)
        push_signal(window, report_of(0, MOUSE, NPLUG_REPORT_SIGNAL), i, deltas[i], delta);
    for (unsigned i = 0; i < BUTTONS; i++)
        push_signal(window, report_of(0, MOUSE, NPLUG_REPORT_SIGNAL), SIGNAL_BUTTON + i, buttons[i],
                    button);
    for (unsigned i = 0; i < 2; i++)
        push_signal(window, report_of(0, MOUSE, NPLUG_REPORT_SIGNAL), SIGNAL_PLACE + i,
                    3u << 16 | i, place);
    push_mark(window, 0, MOUSE, NPLUG_REPORT_READY);
}

static shape shape_of_finger(unsigned what)
{
    shape number = {NPLUG_SPACE_PLAIN, NPLUG_NATURE_CONTACT, -1, INT32_MAX};
    shape place = {NPLUG_SPACE_PLAIN, NPLUG_NATURE_POSITION, 0, FULL};
    shape pressure = {NPLUG_SPACE_PLAIN, NPLUG_NATURE_AXIS, 0, FULL};

    return what == FINGER_NUMBER ? number : what == FINGER_PRESSURE ? pressure : place;
}

static void plug_touch(nplug_window *window)
{
    unsigned signals = FINGER_SIGNALS * NPLUG_WINDOW_CONTACTS;

    push_arrive(window, 0, TOUCH, (uint16_t)signals);
    nplug_push_text(window->ring, 0, TOUCH, NPLUG_TEXT_NAME, "touch surface of the window");
    for (unsigned i = 0; i < signals; i++)
        push_signal(window, report_of(0, TOUCH, NPLUG_REPORT_SIGNAL), i, i,
                    shape_of_finger(i % FINGER_SIGNALS));
    for (unsigned i = 0; i < NPLUG_WINDOW_CONTACTS; i++)
        push_value(window, 0, TOUCH, FINGER_SIGNALS * i, window->contact[i][FINGER_NUMBER] = -1);
    push_mark(window, 0, TOUCH, NPLUG_REPORT_READY);
}

static void plug_pen(nplug_window *window)
{
    shape button = {NPLUG_SPACE_PLAIN, NPLUG_NATURE_BUTTON, 0, 1};

    push_arrive(window, 0, PEN, PEN_SIGNALS);
    nplug_push_text(window->ring, 0, PEN, NPLUG_TEXT_NAME, "pen of the window");
    for (unsigned i = 0; i < PEN_SIGNALS; i++)
        push_signal(window, report_of(0, PEN, NPLUG_REPORT_SIGNAL), i, i,
                    i == PEN_DOWN || i == PEN_NEAR ? button : shape_of_finger(i));
    push_mark(window, 0, PEN, NPLUG_REPORT_READY);
}

static nplug_result start(void *self, nplug_ring *ring)
{
    nplug_window *window = (nplug_window *)self;

    window->ring = ring;
    if (window->devices & NPLUG_WINDOW_KEYBOARD) plug_keyboard(window);
    if (window->devices & NPLUG_WINDOW_MOUSE) plug_mouse(window);
    if (window->devices & NPLUG_WINDOW_TOUCH) plug_touch(window);
    if (window->devices & NPLUG_WINDOW_PEN) plug_pen(window);
    return NPLUG_OK;
}

/* --- the present state ---------------------------------------------------------------------- */

static void push_fingers(nplug_window *window, nplug_time time)
{
    for (unsigned i = 0; i < FINGER_SIGNALS * NPLUG_WINDOW_CONTACTS; i++)
        push_value(window, time, TOUCH, i, window->contact[i / FINGER_SIGNALS][i % FINGER_SIGNALS]);
}

static void push_state(nplug_window *window, uint32_t device, nplug_time time)
{
    for (unsigned i = 0; device == KEYBOARD && i < KEYS; i++)
        if (window->key[i]) push_value(window, time, KEYBOARD, i, 1);
    for (unsigned i = 0; device == MOUSE && i < BUTTONS; i++)
        if (window->button[i]) push_value(window, time, MOUSE, SIGNAL_BUTTON + i, 1);
    for (unsigned i = 0; device == MOUSE && i < 2; i++)
        push_value(window, time, MOUSE, SIGNAL_PLACE + i, window->place[i]);
    for (unsigned i = 0; device == PEN && i < PEN_SIGNALS; i++)
        push_value(window, time, PEN, i, window->pen[i]);
    if (device == TOUCH) push_fingers(window, time);
    for (unsigned i = 0; device >= PAD_0 && device < PEN && i < PAD_BUTTONS + PAD_AXES; i++)
        push_value(window, time, device, i, window->pad_value[device - PAD_0][i]);
}

static bool is_here(const nplug_window *window, uint32_t device)
{
    if (device == PEN) return (window->devices & NPLUG_WINDOW_PEN) != 0;
    if (device >= PAD_0)
        return device - PAD_0 < NPLUG_WINDOW_PADS_MAX && window->pad[device - PAD_0];
    return (window->devices & (1u << device)) != 0;
}

/* The answer bears no time of its own: it is taken at the last processed one. */
static void resync(void *self, uint32_t device)
{
    nplug_window *window = (nplug_window *)self;

    if (!is_here(window, device)) return;
    push_mark(window, 0, device, NPLUG_REPORT_RESYNC_BEGIN);
    push_state(window, device, 0);
    push_mark(window, 0, device, NPLUG_REPORT_RESYNC_END);
}

static void stop(void *self)
{
    ((nplug_window *)self)->ring = NULL;
}

const nplug_port *nplug_window_port(void)
{
    static const nplug_port port = {
        (uint32_t)sizeof(nplug_port), 0, "window", start, NULL, resync, NULL, stop, NULL};
    return &port;
}

nplug_result nplug_window_attach(nplug_window *window, nplug_nest *nest)
{
    return window ? nplug_attach(nest, nplug_window_port(), window) : NPLUG_ERR_ARGUMENT;
}

/* --- what the game feeds -------------------------------------------------------------------- */

/* NPLUG_OK where the window stands for that device and the port is attached. */
static nplug_result check(const nplug_window *window, uint32_t device, bool good)
{
    if (!window || !(window->devices & device) || !good) return NPLUG_ERR_ARGUMENT;
    return window->ring ? NPLUG_OK : NPLUG_ERR_ORDER;
}

static bool is_heard(const nplug_window *window, uint16_t usage)
{
    for (size_t i = 0; i < window->heard_count; i++)
        if (window->heard[i] == usage) return true;
    return !window->typing;
}

nplug_result nplug_window_key(nplug_window *window, nplug_time time, uint16_t usage, bool down)
{
    nplug_result result =
        check(window, NPLUG_WINDOW_KEYBOARD, usage >= KEYS_FIRST && usage <= KEYS_LAST);

    if (result != NPLUG_OK) return result;
    if (down == window->key[usage - KEYS_FIRST]) return NPLUG_OK;
    if (down && !is_heard(window, usage)) return NPLUG_OK;
    window->key[usage - KEYS_FIRST] = down;
    return push_value(window, time, KEYBOARD, usage - KEYS_FIRST, down);
}

nplug_result nplug_window_button(nplug_window *window, nplug_time time, unsigned button, bool down)
{
    nplug_result result = check(window, NPLUG_WINDOW_MOUSE, button >= 1 && button <= BUTTONS);

    if (result != NPLUG_OK) return result;
    if (down == window->button[button - 1]) return NPLUG_OK;
    window->button[button - 1] = down;
    return push_value(window, time, MOUSE, SIGNAL_BUTTON + button - 1, down);
}

nplug_result nplug_window_move(nplug_window *window, nplug_time time, int32_t dx, int32_t dy,
                               bool made_up)
{
    nplug_result result = check(window, NPLUG_WINDOW_MOUSE, true);

    if (result != NPLUG_OK || made_up) return result;
    return push_pair(window, time, MOUSE, SIGNAL_MOVE_X, dx, dy);
}

static int32_t as_share(float value)
{
    return value > 0.0f ? value >= 1.0f ? FULL : (int32_t)(value * (float)FULL) : 0;
}

nplug_result nplug_window_point(nplug_window *window, nplug_time time, nplug_vec2 at)
{
    nplug_result result = check(window, NPLUG_WINDOW_MOUSE, true);

    if (result != NPLUG_OK) return result;
    window->place[0] = as_share(at.x);
    window->place[1] = as_share(at.y);
    return push_pair(window, time, MOUSE, SIGNAL_PLACE, window->place[0], window->place[1]);
}

nplug_result nplug_window_wheel(nplug_window *window, nplug_time time, int32_t dx, int32_t dy)
{
    nplug_result result = check(window, NPLUG_WINDOW_MOUSE, true);

    if (result != NPLUG_OK) return result;
    return push_pair(window, time, MOUSE, SIGNAL_WHEEL_X, dx, dy);
}

static int contact_of(const nplug_window *window, uint32_t finger)
{
    for (int i = 0; i < NPLUG_WINDOW_CONTACTS; i++)
        if (window->touched[i] && window->finger[i] == finger) return i;
    return -1;
}

static int free_contact(const nplug_window *window)
{
    for (int i = 0; i < NPLUG_WINDOW_CONTACTS; i++)
        if (!window->touched[i]) return i;
    return -1;
}

static int32_t scaled(float value, int32_t full)
{
    if (!(value > -1.0f)) return -full;
    return value >= 1.0f ? full : (int32_t)(value * (float)full);
}

/* A finger's number, place and pressure, as one group. */
static nplug_result push_finger(nplug_window *window, nplug_time time, int contact)
{
    nplug_report group[FINGER_SIGNALS];

    for (unsigned i = 0; i < FINGER_SIGNALS; i++) {
        group[i] = report_of(time, TOUCH, NPLUG_REPORT_VALUE);
        group[i].signal = (uint16_t)(FINGER_SIGNALS * contact + (int)i);
        group[i].flags = i + 1 < FINGER_SIGNALS ? NPLUG_REPORT_FLAG_MORE : 0;
        group[i].data.value = window->contact[contact][i];
    }
    return nplug_push(window->ring, group, FINGER_SIGNALS);
}

nplug_result nplug_window_touch(nplug_window *window, nplug_time time, uint32_t finger,
                                nplug_vec2 at, bool down)
{
    nplug_result result = check(window, NPLUG_WINDOW_TOUCH, finger <= INT32_MAX);
    int32_t *said;
    int contact;

    if (result != NPLUG_OK) return result;
    contact = contact_of(window, finger);
    if (contact < 0 && !down) return NPLUG_OK;
    if (contact < 0) contact = free_contact(window);
    if (contact < 0) return NPLUG_ERR_FULL;
    said = window->contact[contact];
    if (!window->touched[contact] || !down) said[FINGER_PRESSURE] = down ? FULL : 0;
    window->touched[contact] = down;
    window->finger[contact] = finger;
    said[FINGER_NUMBER] = down ? (int32_t)finger : -1;
    said[FINGER_X] = as_share(at.x);
    said[FINGER_Y] = as_share(at.y);
    return push_finger(window, time, contact);
}

nplug_result nplug_window_pressure(nplug_window *window, nplug_time time, uint32_t finger,
                                   float pressure)
{
    nplug_result result = check(window, NPLUG_WINDOW_TOUCH, true);
    int contact;

    if (result != NPLUG_OK) return result;
    contact = contact_of(window, finger);
    if (contact < 0) return NPLUG_ERR_UNKNOWN;
    window->contact[contact][FINGER_PRESSURE] = as_share(pressure);
    return push_finger(window, time, contact);
}

nplug_result nplug_window_pen(nplug_window *window, nplug_time time, nplug_vec2 at, bool near,
                              bool down, float pressure)
{
    nplug_result result = check(window, NPLUG_WINDOW_PEN, true);
    nplug_report group[PEN_SIGNALS];

    if (result != NPLUG_OK) return result;
    window->pen[PEN_DOWN] = near && down;
    window->pen[PEN_X] = as_share(at.x);
    window->pen[PEN_Y] = as_share(at.y);
    window->pen[PEN_PRESSURE] = near && down ? as_share(pressure) : 0;
    window->pen[PEN_NEAR] = near;
    for (unsigned i = 0; i < PEN_SIGNALS; i++) {
        group[i] = report_of(time, PEN, NPLUG_REPORT_VALUE);
        group[i].signal = (uint16_t)i;
        group[i].flags = i + 1 < PEN_SIGNALS ? NPLUG_REPORT_FLAG_MORE : 0;
        group[i].data.value = window->pen[i];
    }
    return nplug_push(window->ring, group, PEN_SIGNALS);
}

nplug_result nplug_window_focus(nplug_window *window, nplug_time time, bool focused)
{
    nplug_result result = check(window, UINT32_MAX, true);
    nplug_report report = report_of(time, 0, NPLUG_REPORT_FOCUS);

    if (result != NPLUG_OK) return result;
    report.data.value = focused;
    return nplug_push(window->ring, &report, 1);
}

nplug_result nplug_window_typing(nplug_window *window, nplug_time time, bool typing,
                                 const uint16_t *heard, size_t count)
{
    nplug_result result =
        check(window, NPLUG_WINDOW_KEYBOARD, count <= HEARD_MAX && (heard || !count));

    if (result != NPLUG_OK) return result;
    window->typing = typing;
    window->heard_count = typing ? count : 0;
    if (typing && count) memcpy(window->heard, heard, count * sizeof *heard);
    for (uint16_t usage = KEYS_FIRST; typing && usage <= KEYS_LAST; usage++)
        if (window->key[usage - KEYS_FIRST] && !is_heard(window, usage))
            result = nplug_window_key(window, time, usage, false);
    return result;
}

/* --- pads ----------------------------------------------------------------------------------- */

static void plug_pad(nplug_window *window, nplug_time time, uint32_t device, const char *name)
{
    shape button = {NPLUG_SPACE_W3C, NPLUG_NATURE_AXIS, 0, FULL};
    shape axis = {NPLUG_SPACE_W3C, NPLUG_NATURE_AXIS, -FULL, FULL};

    push_arrive(window, time, device, PAD_BUTTONS + PAD_AXES);
    nplug_push_text(window->ring, time, device, NPLUG_TEXT_NAME, name ? name : "pad of the window");
    for (unsigned i = 0; i < PAD_BUTTONS; i++)
        push_signal(window, report_of(time, device, NPLUG_REPORT_SIGNAL), i, i, button);
    for (unsigned i = 0; i < PAD_AXES; i++)
        push_signal(window, report_of(time, device, NPLUG_REPORT_SIGNAL), PAD_BUTTONS + i,
                    0x100 + i, axis);
    push_mark(window, time, device, NPLUG_REPORT_READY);
}

nplug_result nplug_window_pad(nplug_window *window, nplug_time time, uint32_t pad, const char *name,
                              bool here)
{
    nplug_result result = check(window, NPLUG_WINDOW_PADS, pad < NPLUG_WINDOW_PADS_MAX);

    if (result != NPLUG_OK || window->pad[pad] == here) return result;
    window->pad[pad] = here;
    memset(window->pad_value[pad], 0, sizeof window->pad_value[pad]);
    if (here)
        plug_pad(window, time, PAD_0 + pad, name);
    else
        push_mark(window, time, PAD_0 + pad, NPLUG_REPORT_DEPART);
    return NPLUG_OK;
}

static nplug_result say_pad(nplug_window *window, nplug_time time, uint32_t pad, unsigned signal,
                            int32_t value)
{
    nplug_report report = report_of(time, PAD_0 + pad, NPLUG_REPORT_VALUE);

    if (window->pad_value[pad][signal] == value) return NPLUG_OK;
    window->pad_value[pad][signal] = value;
    report.signal = (uint16_t)signal;
    report.data.value = value;
    if (signal >= PAD_BUTTONS) report.flags = NPLUG_REPORT_FLAG_MOVES;
    return nplug_push(window->ring, &report, 1);
}

nplug_result nplug_window_pad_button(nplug_window *window, nplug_time time, uint32_t pad,
                                     unsigned button, float value)
{
    bool good = pad < NPLUG_WINDOW_PADS_MAX && button < PAD_BUTTONS && window && window->pad[pad];
    nplug_result result = check(window, NPLUG_WINDOW_PADS, good);

    if (result != NPLUG_OK) return result;
    return say_pad(window, time, pad, button, value > 0.0f ? scaled(value, FULL) : 0);
}

nplug_result nplug_window_pad_axis(nplug_window *window, nplug_time time, uint32_t pad,
                                   unsigned axis, float value)
{
    bool good = pad < NPLUG_WINDOW_PADS_MAX && axis < PAD_AXES && window && window->pad[pad];
    nplug_result result = check(window, NPLUG_WINDOW_PADS, good);

    if (result != NPLUG_OK) return result;
    return say_pad(window, time, pad, PAD_BUTTONS + axis, scaled(value, FULL));
}
