/* Classification: what a node is by its signals and properties alone.
 *
 * Owns nothing.  Comes in: a node.  Goes out: a kind; the wires of a shape that no sheet knows. */
#include "core/device/device.h"
#include <string.h>

/* A node's signals stand in a row. */
typedef struct row {
    uint32_t first, end;
} row;

static row signals_of(const np_devices *devices, uint32_t node)
{
    const np_node *about = &devices->nodes[node];
    row signals = {about->first_signal, about->first_signal + about->signals};
    return signals;
}

/* --- the kind, by the open numbers of its signals ------------------------------------------- */

/* What a single signal says of a device. */
enum {
    PAD = 1,
    WHEEL = 2,
    GEARS = 4,
    THROTTLE = 8,
    RUDDER = 16,
    MOUSE = 32,
    TOUCHED = 64,
    PLACED = 128
};

/* What signals a device has that tell its kind. */
typedef struct tally {
    uint32_t keys, buttons, contacts, moves, axes;
    uint32_t traits;
} tally;

/* A code, type << 16 | code of the Linux kernel's input interface (input-event-codes.h) or page <<
 * 16 | usage of HID, and what it says. */
typedef struct trait_row {
    uint32_t code, trait;
} trait_row;

static uint32_t trait_of(const trait_row *rows, size_t count, uint32_t code)
{
    for (size_t i = 0; i < count; i++)
        if (rows[i].code == code) return rows[i].trait;
    return 0;
}

static void count_evdev(tally *sum, uint32_t code)
{
    static const trait_row rows[] = {{0x10130, PAD},      /* BTN_GAMEPAD */
                                     {0x10110, MOUSE},    /* BTN_LEFT */
                                     {0x10150, GEARS},    /* BTN_GEAR_DOWN */
                                     {0x10151, GEARS},    /* BTN_GEAR_UP */
                                     {0x1014a, TOUCHED},  /* BTN_TOUCH */
                                     {0x30000, PLACED},   /* ABS_X */
                                     {0x30006, THROTTLE}, /* ABS_THROTTLE */
                                     {0x30007, RUDDER},   /* ABS_RUDDER */
                                     {0x30008, WHEEL}};   /* ABS_WHEEL */
    uint32_t type = code >> 16, number = code & 0xffffu;

    sum->traits |= trait_of(rows, sizeof rows / sizeof *rows, code);
    if (type == 1 && number < 0x58) sum->keys++;
    if (type == 1 && number >= 0x120) sum->buttons++;
    if (type == 2 && number < 2) sum->moves++;
    if (type == 3) sum->axes++;
    if (type == 3 && (number & 0xffu) == 0x35) sum->contacts++; /* ABS_MT_POSITION_X */
}

/* HID Usage Tables 1.4: generic desktop, simulation, keyboard, button. */
static void count_hid(tally *sum, uint32_t code, nplug_nature nature)
{
    static const trait_row rows[] = {{0x200c8, WHEEL},    /* steering */
                                     {0x200c4, WHEEL},    /* accelerator */
                                     {0x200b0, THROTTLE}, /* aileron: a stick, too */
                                     {0x200bb, THROTTLE}, /* throttle */
                                     {0x200ba, RUDDER}};  /* rudder */
    uint32_t page = code >> 16, usage = code & 0xffffu;

    sum->traits |= trait_of(rows, sizeof rows / sizeof *rows, code);
    if (page == 7) sum->keys++;
    if (page == 9) sum->buttons++;
    if (page == 1 && usage == 0x30 && nature == NPLUG_NATURE_DELTA) sum->traits |= MOUSE;
    if (page == 1 && usage == 0x30 && nature == NPLUG_NATURE_AXIS) sum->traits |= PAD;
    if (page == 1 && usage < 0x32) sum->moves += nature == NPLUG_NATURE_DELTA;
}

static bool says(const tally *sum, uint32_t traits)
{
    return (sum->traits & traits) == traits;
}

/* A mouse's button, and movement; or a place and no other axis, as on a tablet or in a window of
 * another machine. */
static bool is_mouse(const tally *sum)
{
    bool points = says(sum, PLACED) && sum->axes == 2 && sum->buttons == 0;
    return says(sum, MOUSE) && (sum->moves >= 2 || points);
}

/* A third slider gets the kernel's code of a wheel: with throttle and rudder it is none.  Some pads
 * have the codes of gears at their back. */
static nplug_device_kind kind_of(const tally *sum, nplug_space space)
{
    bool sticks = (sum->traits & (THROTTLE | RUDDER)) != 0;

    if (space == NPLUG_SPACE_W3C) return NPLUG_KIND_PAD;
    if (sum->contacts) return NPLUG_KIND_TOUCH;
    if (says(sum, WHEEL) && !says(sum, THROTTLE | RUDDER)) return NPLUG_KIND_WHEEL;
    if (says(sum, PAD) && (space == NPLUG_SPACE_EVDEV || (sum->buttons >= 4 && !sticks)))
        return NPLUG_KIND_PAD;
    if (says(sum, GEARS)) return NPLUG_KIND_WHEEL;
    if (sticks) return NPLUG_KIND_STICK;
    if (says(sum, TOUCHED | PLACED)) return NPLUG_KIND_TOUCH;
    if (is_mouse(sum)) return NPLUG_KIND_MOUSE;
    return sum->keys >= 20 ? NPLUG_KIND_KEYBOARD : NPLUG_KIND_UNKNOWN;
}

static void count_signal(tally *sum, const np_devices *devices, uint32_t signal,
                         uint32_t spaces[NP_SPACES])
{
    const np_signal *about = &devices->signals[signal];
    nplug_nature nature = (nplug_nature)devices->signals[signal].nature;

    if (about->space < NP_SPACES) spaces[about->space]++;
    if (about->space == NPLUG_SPACE_EVDEV) count_evdev(sum, about->code & 0xffffffu);
    if (about->space == NPLUG_SPACE_HID) count_hid(sum, about->code, nature);
}

np_classified np_classify_by_signals(const np_devices *devices, uint32_t node)
{
    uint32_t spaces[NP_SPACES] = {0};
    np_classified looks = {NPLUG_KIND_UNKNOWN, NPLUG_SPACE_PLAIN};
    row signals = signals_of(devices, node);
    tally sum = {0};

    for (uint32_t s = signals.first; s < signals.end; s++)
        count_signal(&sum, devices, s, spaces);
    for (unsigned i = 1; i < NP_SPACES; i++)
        if (spaces[i] > spaces[looks.space]) looks.space = (nplug_space)i;
    looks.kind = devices->nodes[node].properties & NPLUG_PROPERTY_ACCELEROMETER
                     ? NPLUG_KIND_MOTION
                     : kind_of(&sum, looks.space);
    return looks;
}

/* --- the shape ------------------------------------------------------------------------------ */

#define AXES_MOST    8u
#define BUTTONS_MOST 24u

/* What a signal seems to be. */
typedef enum role { ROLE_NONE, ROLE_MIDDLE, ROLE_LOW, ROLE_HIGH, ROLE_HAT, ROLE_BUTTON } role;

/* A value within an eighth of an end was at rest there; one that is not known may be told by its
 * range: the first axis of a pad is a stick's, and a trigger's range is another. */
static role role_of_axis(const np_devices *devices, uint32_t signal, uint32_t first)
{
    const np_signal *about = &devices->signals[signal], *stick = &devices->signals[first];
    int64_t low = about->min, width = (int64_t)about->max - low;
    int64_t raw = devices->raw[signal];

    if (width <= 0) return ROLE_NONE;
    if (!(devices->flags[signal] & NP_SIGNAL_SILENT)) {
        if (8 * (raw - low) <= width) return ROLE_LOW;
        if (8 * (raw - low) >= 7 * width) return ROLE_HIGH;
        return ROLE_MIDDLE;
    }
    if (low >= 0 && width != (int64_t)stick->max - stick->min) return ROLE_LOW;
    return ROLE_MIDDLE;
}

static role role_of(const np_devices *devices, uint32_t signal, uint32_t first)
{
    if (np_signal_is_battery(&devices->signals[signal])) return ROLE_NONE;
    switch (devices->signals[signal].nature) {
    case NPLUG_NATURE_BUTTON:
        return ROLE_BUTTON;
    case NPLUG_NATURE_HAT:
        return ROLE_HAT;
    case NPLUG_NATURE_AXIS:
        return role_of_axis(devices, signal, first);
    default:
        return ROLE_NONE;
    }
}

/* The first axis of a node; any signal where it has none. */
static uint32_t first_axis(const np_devices *devices, row signals)
{
    for (uint32_t s = signals.first; s < signals.end; s++)
        if (devices->signals[s].nature == NPLUG_NATURE_AXIS) return s;
    return signals.first;
}

/* The roles of a node's signals before `end`, counted. */
static void count_roles(const np_devices *devices, row signals, uint32_t end,
                        uint32_t counts[ROLE_BUTTON + 1])
{
    uint32_t first = first_axis(devices, signals);

    memset(counts, 0, (ROLE_BUTTON + 1) * sizeof *counts);
    for (uint32_t s = signals.first; s < end; s++)
        counts[role_of(devices, s, first)]++;
}

nplug_device_kind np_classify_shape(const np_devices *devices, uint32_t node)
{
    row signals = signals_of(devices, node);
    uint32_t counts[ROLE_BUTTON + 1], axes;

    count_roles(devices, signals, signals.end, counts);
    axes = counts[ROLE_MIDDLE] + counts[ROLE_LOW] + counts[ROLE_HIGH];
    if (counts[ROLE_MIDDLE] < 2 || axes > AXES_MOST) return NPLUG_KIND_UNKNOWN;
    if (counts[ROLE_BUTTON] < 4 || counts[ROLE_BUTTON] > BUTTONS_MOST) return NPLUG_KIND_UNKNOWN;
    return NPLUG_KIND_PAD;
}

nplug_device_kind np_classify_node(const np_devices *devices, uint32_t node)
{
    nplug_device_kind kind = np_classify_by_signals(devices, node).kind;
    return kind != NPLUG_KIND_UNKNOWN ? kind : np_classify_shape(devices, node);
}

/* All of it is a guess. */
static void set(nplug_wire *wire, unsigned place, unsigned component, nplug_reading reading,
                bool reversed)
{
    wire->control = NPLUG_CONTROL(NPLUG_CLASS_PAD, place);
    wire->component = (uint8_t)component;
    wire->reading = (uint8_t)reading;
    wire->flags = (uint8_t)(NPLUG_WIRE_GUESS | (reversed ? NPLUG_WIRE_REVERSED : 0));
}

/* Buttons in the order of the W3C Gamepad standard layout, up to the stick clicks and home; where
 * axes are the triggers, the trigger's buttons say nothing. */
static bool wire_button(nplug_wire *wire, uint32_t nth, bool axes_pull)
{
    static const uint8_t places[] = {NPLUG_PAD_SOUTH,
                                     NPLUG_PAD_EAST,
                                     NPLUG_PAD_WEST,
                                     NPLUG_PAD_NORTH,
                                     NPLUG_PAD_SHOULDER_LEFT,
                                     NPLUG_PAD_SHOULDER_RIGHT,
                                     NPLUG_PAD_TRIGGER_LEFT,
                                     NPLUG_PAD_TRIGGER_RIGHT,
                                     NPLUG_PAD_SELECT,
                                     NPLUG_PAD_START,
                                     NPLUG_PAD_STICK_LEFT_CLICK,
                                     NPLUG_PAD_STICK_RIGHT_CLICK,
                                     NPLUG_PAD_HOME};

    if (nth >= sizeof places || (axes_pull && (nth == 6 || nth == 7))) return false;
    set(wire, places[nth], 0, NPLUG_READING_WHOLE, false);
    return true;
}

/* Sticks point down with their larger values, as HID's do. */
static bool wire_middle(nplug_wire *wire, uint32_t nth)
{
    if (nth >= 4) return false;
    set(wire, nth < 2 ? NPLUG_PAD_STICK_LEFT : NPLUG_PAD_STICK_RIGHT, nth & 1u, NPLUG_READING_WHOLE,
        (nth & 1u) != 0);
    return true;
}

static bool wire_end(nplug_wire *wire, uint32_t nth, bool low)
{
    if (nth >= 2) return false;
    set(wire, nth ? NPLUG_PAD_TRIGGER_RIGHT : NPLUG_PAD_TRIGGER_LEFT, 0,
        low ? NPLUG_READING_FROM_LOW : NPLUG_READING_FROM_HIGH, false);
    return true;
}

static bool wire_hat(nplug_wire *wire, uint32_t nth, bool high)
{
    if (nth >= 2) return false;
    if (nth == 0)
        set(wire, high ? NPLUG_PAD_DPAD_RIGHT : NPLUG_PAD_DPAD_LEFT, 0,
            high ? NPLUG_READING_WHEN_HIGH : NPLUG_READING_WHEN_LOW, false);
    else
        set(wire, high ? NPLUG_PAD_DPAD_DOWN : NPLUG_PAD_DPAD_UP, 0,
            high ? NPLUG_READING_WHEN_HIGH : NPLUG_READING_WHEN_LOW, false);
    return true;
}

bool np_classify_wire(const np_devices *devices, uint32_t signal, uint32_t *nth, nplug_wire *wire)
{
    row signals = signals_of(devices, devices->signals[signal].node);
    uint32_t counts[ROLE_BUTTON + 1];
    role is = role_of(devices, signal, first_axis(devices, signals));
    uint32_t which = (*nth)++;
    bool axes_pull;

    if (which > (is == ROLE_HAT ? 1u : 0u)) return false;
    count_roles(devices, signals, signals.end, counts);
    axes_pull = counts[ROLE_LOW] + counts[ROLE_HIGH] != 0;
    count_roles(devices, signals, signal, counts);
    memset(wire, 0, sizeof *wire);
    switch (is) {
    case ROLE_BUTTON:
        return wire_button(wire, counts[ROLE_BUTTON], axes_pull);
    case ROLE_MIDDLE:
        return wire_middle(wire, counts[ROLE_MIDDLE]);
    case ROLE_LOW:
    case ROLE_HIGH:
        return wire_end(wire, counts[ROLE_LOW] + counts[ROLE_HIGH], is == ROLE_LOW);
    case ROLE_HAT:
        return wire_hat(wire, counts[ROLE_HAT], which == 1);
    default:
        return false;
    }
}
