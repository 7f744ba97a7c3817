/* The names of controls, kinds and natures.
 *
 * Owns tables.  Comes in: a control, or a text.  Goes out: a text, or a control; the nearest one.
 */
#include "core/base/base.h"
#include "nestplug/control.h"
#include "nestplug/report.h"
#include "nestplug/touch.h"
#include <string.h>

typedef struct name_row {
    uint16_t place;
    uint8_t nature, components;
    const char *name;
    uint8_t numbered; /* 0, or how many places in a row have this name, "-1" and so on after it */
} name_row;

#define BUTTON(place, name)                                                                        \
    {                                                                                              \
        place, NPLUG_NATURE_BUTTON, 1, name, 0                                                     \
    }
#define TRIGGER(place, name)                                                                       \
    {                                                                                              \
        place, NPLUG_NATURE_AXIS, 1, name, 0                                                       \
    }
#define STICK(place, name)                                                                         \
    {                                                                                              \
        place, NPLUG_NATURE_AXIS, 2, name, 0                                                       \
    }
#define DELTAS(place, name)                                                                        \
    {                                                                                              \
        place, NPLUG_NATURE_DELTA, 2, name, 0                                                      \
    }
#define POSE(place, name)                                                                          \
    {                                                                                              \
        place, NPLUG_NATURE_POSE, 7, name, 0                                                       \
    }
#define SENSOR(place, name)                                                                        \
    {                                                                                              \
        place, NPLUG_NATURE_SENSOR, 3, name, 0                                                     \
    }
#define MANY(place, nature, components, name, count)                                               \
    {                                                                                              \
        place, NPLUG_NATURE_##nature, components, name, count                                      \
    }

static const name_row pad_rows[] = {
    BUTTON(NPLUG_PAD_SOUTH, "south"),
    BUTTON(NPLUG_PAD_EAST, "east"),
    BUTTON(NPLUG_PAD_WEST, "west"),
    BUTTON(NPLUG_PAD_NORTH, "north"),
    BUTTON(NPLUG_PAD_DPAD_UP, "dpad-up"),
    BUTTON(NPLUG_PAD_DPAD_DOWN, "dpad-down"),
    BUTTON(NPLUG_PAD_DPAD_LEFT, "dpad-left"),
    BUTTON(NPLUG_PAD_DPAD_RIGHT, "dpad-right"),
    BUTTON(NPLUG_PAD_SHOULDER_LEFT, "shoulder-left"),
    BUTTON(NPLUG_PAD_SHOULDER_RIGHT, "shoulder-right"),
    TRIGGER(NPLUG_PAD_TRIGGER_LEFT, "trigger-left"),
    TRIGGER(NPLUG_PAD_TRIGGER_RIGHT, "trigger-right"),
    STICK(NPLUG_PAD_STICK_LEFT, "stick-left"),
    STICK(NPLUG_PAD_STICK_RIGHT, "stick-right"),
    BUTTON(NPLUG_PAD_STICK_LEFT_CLICK, "stick-left-click"),
    BUTTON(NPLUG_PAD_STICK_RIGHT_CLICK, "stick-right-click"),
    BUTTON(NPLUG_PAD_SELECT, "select"),
    BUTTON(NPLUG_PAD_START, "start"),
    BUTTON(NPLUG_PAD_HOME, "home"),
    BUTTON(NPLUG_PAD_REAR_LEFT, "rear-left"),
    BUTTON(NPLUG_PAD_REAR_RIGHT, "rear-right"),
    BUTTON(NPLUG_PAD_REAR_LEFT_2, "rear-left-2"),
    BUTTON(NPLUG_PAD_REAR_RIGHT_2, "rear-right-2"),
    BUTTON(NPLUG_PAD_TOUCHPAD, "touchpad"),
    BUTTON(NPLUG_PAD_CONFIRM, "confirm"),
    BUTTON(NPLUG_PAD_CANCEL, "cancel"),
    SENSOR(NPLUG_PAD_GYRO, "gyro"),
    SENSOR(NPLUG_PAD_ACCEL, "accel"),
    STICK(NPLUG_PAD_TURN, "turn"),
    TRIGGER(NPLUG_PAD_ROLL, "roll"),
    STICK(NPLUG_PAD_TILT, "tilt"),
};

static const name_row stick_rows[] = {
    TRIGGER(NPLUG_STICK_AILERON, "aileron"),
    TRIGGER(NPLUG_STICK_ELEVATOR, "elevator"),
    TRIGGER(NPLUG_STICK_TWIST, "twist"),
    TRIGGER(NPLUG_STICK_RUDDER, "rudder"),
    TRIGGER(NPLUG_STICK_BRAKE_LEFT, "brake-left"),
    TRIGGER(NPLUG_STICK_BRAKE_RIGHT, "brake-right"),
    TRIGGER(NPLUG_STICK_THROTTLE, "throttle"),
    TRIGGER(NPLUG_STICK_THROTTLE + 1, "throttle-2"),
    TRIGGER(NPLUG_STICK_THROTTLE + 2, "throttle-3"),
    TRIGGER(NPLUG_STICK_THROTTLE + 3, "throttle-4"),
    MANY(NPLUG_STICK_SLIDER, AXIS, 1, "slider", 4),
    MANY(NPLUG_STICK_DIAL, AXIS, 1, "dial", 8),
    MANY(NPLUG_STICK_HAT, AXIS, 2, "hat", 4),
    MANY(NPLUG_STICK_BUTTON, BUTTON, 1, "button", 128),
};

static const name_row wheel_rows[] = {
    TRIGGER(NPLUG_WHEEL_STEERING, "steering"),   TRIGGER(NPLUG_WHEEL_ACCELERATOR, "accelerator"),
    TRIGGER(NPLUG_WHEEL_BRAKE, "brake"),         TRIGGER(NPLUG_WHEEL_CLUTCH, "clutch"),
    TRIGGER(NPLUG_WHEEL_HANDBRAKE, "handbrake"), BUTTON(NPLUG_WHEEL_SHIFT_DOWN, "shift-down"),
    BUTTON(NPLUG_WHEEL_SHIFT_UP, "shift-up"),    MANY(NPLUG_WHEEL_DIAL, AXIS, 1, "dial", 8),
    MANY(NPLUG_WHEEL_HAT, AXIS, 2, "hat", 2),    MANY(NPLUG_WHEEL_BUTTON, BUTTON, 1, "button", 128),
};

static const name_row touch_rows[] = {
    MANY(NPLUG_TOUCH_CONTACT, POSITION, 2, "contact", 16),
    MANY(NPLUG_TOUCH_CONTACT_DOWN, BUTTON, 1, "contact-down", 16),
    MANY(NPLUG_TOUCH_CONTACT_PRESSURE, AXIS, 1, "contact-pressure", 16),
    MANY(NPLUG_TOUCH_PEN_BUTTON, BUTTON, 1, "pen-button", 3),
    BUTTON(NPLUG_TOUCH_NEAR, "near"),
};

static const name_row pointer_rows[] = {
    BUTTON(NPLUG_POINTER_PRESS, "press"),
};

static const name_row hand_rows[] = {
    TRIGGER(NPLUG_HAND_TRIGGER, "trigger"),
    BUTTON(NPLUG_HAND_TRIGGER_TOUCH, "trigger-touch"),
    BUTTON(NPLUG_HAND_TRIGGER_NEAR, "trigger-near"),
    TRIGGER(NPLUG_HAND_SQUEEZE, "squeeze"),
    BUTTON(NPLUG_HAND_SQUEEZE_TOUCH, "squeeze-touch"),
    STICK(NPLUG_HAND_THUMBSTICK, "thumbstick"),
    BUTTON(NPLUG_HAND_THUMBSTICK_CLICK, "thumbstick-click"),
    BUTTON(NPLUG_HAND_THUMBSTICK_TOUCH, "thumbstick-touch"),
    BUTTON(NPLUG_HAND_THUMBREST_TOUCH, "thumbrest-touch"),
    BUTTON(NPLUG_HAND_THUMBREST_NEAR, "thumbrest-near"),
    BUTTON(NPLUG_HAND_LOWER, "lower"),
    BUTTON(NPLUG_HAND_LOWER_TOUCH, "lower-touch"),
    BUTTON(NPLUG_HAND_UPPER, "upper"),
    BUTTON(NPLUG_HAND_UPPER_TOUCH, "upper-touch"),
    BUTTON(NPLUG_HAND_MENU, "menu"),
    POSE(NPLUG_HAND_POSE_GRIP, "pose-grip"),
    POSE(NPLUG_HAND_POSE_AIM, "pose-aim"),
    BUTTON(NPLUG_HAND_LOWER_NEAR, "lower-near"),
    BUTTON(NPLUG_HAND_UPPER_NEAR, "upper-near"),
};

static const name_row headset_rows[] = {
    POSE(NPLUG_HEADSET_POSE_VIEW, "pose-view"),
    BUTTON(NPLUG_HEADSET_WORN, "worn"),
};

static const name_row mouse_rows[] = {
    BUTTON(NPLUG_MOUSE_LEFT, "left"),
    BUTTON(NPLUG_MOUSE_RIGHT, "right"),
    BUTTON(NPLUG_MOUSE_MIDDLE, "middle"),
    BUTTON(NPLUG_MOUSE_BACK, "back"),
    BUTTON(NPLUG_MOUSE_FORWARD, "forward"),
    DELTAS(NPLUG_MOUSE_MOVE, "move"),
    DELTAS(NPLUG_MOUSE_WHEEL, "wheel"),
    BUTTON(NPLUG_MOUSE_FORWARD_2, "forward-2"),
    BUTTON(NPLUG_MOUSE_BACK_2, "back-2"),
    BUTTON(NPLUG_MOUSE_TASK, "task"),
    MANY(NPLUG_MOUSE_PLACE, POSITION, 2, "place", 0),
};

/* Keys: the usage of USB HID usage page 0x07 (HID Usage Tables 1.4, section 10), and the `code` of
 * W3C UI Events KeyboardEvent code Values for the key at that place. */
#define KEY(usage, name)                                                                           \
    {                                                                                              \
        usage, NPLUG_NATURE_BUTTON, 1, name, 0                                                     \
    }
static const name_row key_rows[] = {
    KEY(0x04, "KeyA"),
    KEY(0x05, "KeyB"),
    KEY(0x06, "KeyC"),
    KEY(0x07, "KeyD"),
    KEY(0x08, "KeyE"),
    KEY(0x09, "KeyF"),
    KEY(0x0a, "KeyG"),
    KEY(0x0b, "KeyH"),
    KEY(0x0c, "KeyI"),
    KEY(0x0d, "KeyJ"),
    KEY(0x0e, "KeyK"),
    KEY(0x0f, "KeyL"),
    KEY(0x10, "KeyM"),
    KEY(0x11, "KeyN"),
    KEY(0x12, "KeyO"),
    KEY(0x13, "KeyP"),
    KEY(0x14, "KeyQ"),
    KEY(0x15, "KeyR"),
    KEY(0x16, "KeyS"),
    KEY(0x17, "KeyT"),
    KEY(0x18, "KeyU"),
    KEY(0x19, "KeyV"),
    KEY(0x1a, "KeyW"),
    KEY(0x1b, "KeyX"),
    KEY(0x1c, "KeyY"),
    KEY(0x1d, "KeyZ"),
    KEY(0x1e, "Digit1"),
    KEY(0x1f, "Digit2"),
    KEY(0x20, "Digit3"),
    KEY(0x21, "Digit4"),
    KEY(0x22, "Digit5"),
    KEY(0x23, "Digit6"),
    KEY(0x24, "Digit7"),
    KEY(0x25, "Digit8"),
    KEY(0x26, "Digit9"),
    KEY(0x27, "Digit0"),
    KEY(0x28, "Enter"),
    KEY(0x29, "Escape"),
    KEY(0x2a, "Backspace"),
    KEY(0x2b, "Tab"),
    KEY(0x2c, "Space"),
    KEY(0x2d, "Minus"),
    KEY(0x2e, "Equal"),
    KEY(0x2f, "BracketLeft"),
    KEY(0x30, "BracketRight"),
    KEY(0x31, "Backslash"),
    KEY(0x33, "Semicolon"),
    KEY(0x34, "Quote"),
    KEY(0x35, "Backquote"),
    KEY(0x36, "Comma"),
    KEY(0x37, "Period"),
    KEY(0x38, "Slash"),
    KEY(0x39, "CapsLock"),
    KEY(0x3a, "F1"),
    KEY(0x3b, "F2"),
    KEY(0x3c, "F3"),
    KEY(0x3d, "F4"),
    KEY(0x3e, "F5"),
    KEY(0x3f, "F6"),
    KEY(0x40, "F7"),
    KEY(0x41, "F8"),
    KEY(0x42, "F9"),
    KEY(0x43, "F10"),
    KEY(0x44, "F11"),
    KEY(0x45, "F12"),
    KEY(0x46, "PrintScreen"),
    KEY(0x47, "ScrollLock"),
    KEY(0x48, "Pause"),
    KEY(0x49, "Insert"),
    KEY(0x4a, "Home"),
    KEY(0x4b, "PageUp"),
    KEY(0x4c, "Delete"),
    KEY(0x4d, "End"),
    KEY(0x4e, "PageDown"),
    KEY(0x4f, "ArrowRight"),
    KEY(0x50, "ArrowLeft"),
    KEY(0x51, "ArrowDown"),
    KEY(0x52, "ArrowUp"),
    KEY(0x53, "NumLock"),
    KEY(0x54, "NumpadDivide"),
    KEY(0x55, "NumpadMultiply"),
    KEY(0x56, "NumpadSubtract"),
    KEY(0x57, "NumpadAdd"),
    KEY(0x58, "NumpadEnter"),
    KEY(0x59, "Numpad1"),
    KEY(0x5a, "Numpad2"),
    KEY(0x5b, "Numpad3"),
    KEY(0x5c, "Numpad4"),
    KEY(0x5d, "Numpad5"),
    KEY(0x5e, "Numpad6"),
    KEY(0x5f, "Numpad7"),
    KEY(0x60, "Numpad8"),
    KEY(0x61, "Numpad9"),
    KEY(0x62, "Numpad0"),
    KEY(0x63, "NumpadDecimal"),
    KEY(0x64, "IntlBackslash"),
    KEY(0x65, "ContextMenu"),
    KEY(0x66, "Power"),
    KEY(0x67, "NumpadEqual"),
    KEY(0x68, "F13"),
    KEY(0x69, "F14"),
    KEY(0x6a, "F15"),
    KEY(0x6b, "F16"),
    KEY(0x6c, "F17"),
    KEY(0x6d, "F18"),
    KEY(0x6e, "F19"),
    KEY(0x6f, "F20"),
    KEY(0x70, "F21"),
    KEY(0x71, "F22"),
    KEY(0x72, "F23"),
    KEY(0x73, "F24"),
    KEY(0x75, "Help"),
    KEY(0x79, "Again"),
    KEY(0x7a, "Undo"),
    KEY(0x7b, "Cut"),
    KEY(0x7c, "Copy"),
    KEY(0x7d, "Paste"),
    KEY(0x7e, "Find"),
    KEY(0x7f, "AudioVolumeMute"),
    KEY(0x80, "AudioVolumeUp"),
    KEY(0x81, "AudioVolumeDown"),
    KEY(0x85, "NumpadComma"),
    KEY(0x87, "IntlRo"),
    KEY(0x88, "KanaMode"),
    KEY(0x89, "IntlYen"),
    KEY(0x8a, "Convert"),
    KEY(0x8b, "NonConvert"),
    KEY(0x90, "Lang1"),
    KEY(0x91, "Lang2"),
    KEY(0x92, "Lang3"),
    KEY(0x93, "Lang4"),
    KEY(0xe0, "ControlLeft"),
    KEY(0xe1, "ShiftLeft"),
    KEY(0xe2, "AltLeft"),
    KEY(0xe3, "MetaLeft"),
    KEY(0xe4, "ControlRight"),
    KEY(0xe5, "ShiftRight"),
    KEY(0xe6, "AltRight"),
    KEY(0xe7, "MetaRight"),
};

/* A zone's number stands in a control's place from the fourth bit up. */
static const name_row zone_rows[] = {
    BUTTON(NP_ZONE_BUTTON, "button"),  STICK(NP_ZONE_STICK, "stick"),
    TRIGGER(NP_ZONE_SLIDER, "slider"), DELTAS(NP_ZONE_MOVE, "move"),
    BUTTON(NP_ZONE_TAP, "tap"),        DELTAS(NP_ZONE_SWIPE, "swipe"),
    TRIGGER(NP_ZONE_PINCH, "pinch"),   TRIGGER(NP_ZONE_TURN, "turn"),
};

typedef struct class_row {
    const char *name;
    const name_row *rows;
    unsigned count;
} class_row;

#define ROWS(rows) rows, (unsigned)(sizeof rows / sizeof *rows)
static const class_row classes[] = {
    {"", NULL, 0},
    {"key", ROWS(key_rows)},
    {"mouse", ROWS(mouse_rows)},
    {"pad", ROWS(pad_rows)},
    {"stick", ROWS(stick_rows)},
    {"wheel", ROWS(wheel_rows)},
    {"touch", ROWS(touch_rows)},
    {"hand-left", ROWS(hand_rows)},
    {"hand-right", ROWS(hand_rows)},
    {"headset", ROWS(headset_rows)},
    {"key-label", NULL, 0},
    {"zone", NULL, 0},
    {"pointer", ROWS(pointer_rows)},
    {"hand", ROWS(hand_rows)},
    {"hand-main", ROWS(hand_rows)},
    {"hand-off", ROWS(hand_rows)},
};
#define CLASSES (sizeof classes / sizeof *classes)

/* How many places a row stands for. */
static unsigned places_of(const name_row *row)
{
    return row->numbered ? row->numbered : 1;
}

static const name_row *row_of(nplug_control control)
{
    unsigned number = NPLUG_CONTROL_CLASS(control), place = NPLUG_CONTROL_INDEX(control);

    if (number == NPLUG_CLASS_ZONE)
        return place >> 3 < NPLUG_ZONES_MAX ? &zone_rows[place & 7u] : NULL;
    if (number >= CLASSES) return NULL;
    for (unsigned i = 0; i < classes[number].count; i++) {
        const name_row *row = &classes[number].rows[i];
        if (place - row->place < places_of(row)) return row;
    }
    return NULL;
}

static bool same(const char *word, const char *name, size_t length)
{
    return strlen(word) == length && memcmp(word, name, length) == 0;
}

/* The number after "button-", from 1; 0 where none belongs to the row. */
static unsigned number_in(const name_row *row, const char *name, size_t length)
{
    size_t at = strlen(row->name);
    unsigned number = 0;

    if (length < at + 2 || length > at + 4 || memcmp(name, row->name, at) != 0 || name[at] != '-')
        return 0;
    for (at++; at < length; at++) {
        if (name[at] < '0' || name[at] > '9' || (name[at] == '0' && number == 0)) return 0;
        number = 10 * number + (unsigned)(name[at] - '0');
    }
    return number <= row->numbered ? number : 0;
}

/* Signs that part bindings from each other, which therefore have names. */
static const struct {
    char name[7], sign;
} signs[] = {{"comma", ','}, {"slash", '/'}, {"plus", '+'}, {"period", '.'}, {"bar", '|'}};
#define SIGNS (sizeof signs / sizeof *signs)

/* One letter in UTF-8, of at most two bytes, or a sign's name, as the number of its small form; 0
 * where it is none.
 * Big letters of ASCII, Latin-1, Greek and Cyrillic stand 32 before their small ones. */
static nplug_control label_of(const char *name, size_t length)
{
    const unsigned char *byte = (const unsigned char *)name;
    uint32_t point = 0;

    for (size_t i = 0; i < SIGNS; i++)
        if (same(signs[i].name, name, length)) point = (unsigned char)signs[i].sign;
    if (length == 1 && byte[0] > ' ' && byte[0] < 0x7f) point = byte[0];
    if (length == 2 && (byte[0] & 0xe0) == 0xc0 && (byte[1] & 0xc0) == 0x80)
        point = (byte[0] & 0x1fu) << 6 | (byte[1] & 0x3fu);
    if ((point >= 'A' && point <= 'Z') || (point >= 0xc0 && point <= 0xde && point != 0xd7) ||
        (point >= 0x391 && point <= 0x3a9))
        point += 32;
    return point && point < 1024 ? NPLUG_CONTROL(NPLUG_CLASS_KEY_LABEL, point) : 0;
}

/* The letter of a label; nothing for a number that is none. */
static void add_label(np_text *text, nplug_control label)
{
    uint32_t point = NPLUG_CONTROL_INDEX(label);
    char bytes[3] = {(char)point, 0, 0};

    if (point >= 0x80) {
        bytes[0] = (char)(0xc0u | point >> 6);
        bytes[1] = (char)(0x80u | (point & 0x3fu));
    }
    if (label_of(bytes, strlen(bytes)) != label) return;
    np_text_add(text, "key-label:");
    for (size_t i = 0; i < SIGNS; i++)
        if ((unsigned char)signs[i].sign == point) {
            np_text_add(text, signs[i].name);
            return;
        }
    np_text_add(text, bytes);
}

/* "3-stick": the third zone's. */
static nplug_control zone_of(const char *name, size_t length)
{
    unsigned number = 0, digits = 0;

    while (digits < length && digits < 3 && name[digits] >= '0' && name[digits] <= '9')
        number = 10 * number + (unsigned)(name[digits++] - '0');
    if (number == 0 || number > NPLUG_ZONES_MAX || digits == length || name[digits] != '-')
        return 0;
    for (unsigned i = 0; i < sizeof zone_rows / sizeof *zone_rows; i++)
        if (same(zone_rows[i].name, name + digits + 1, length - digits - 1))
            return NP_ZONE_CONTROL(number - 1, i);
    return 0;
}

static nplug_control find_in(unsigned class_, const char *name, size_t length)
{
    for (unsigned i = 0; i < classes[class_].count; i++) {
        const name_row *row = &classes[class_].rows[i];
        unsigned number = row->numbered ? number_in(row, name, length) : 1;
        if (number && (row->numbered || same(row->name, name, length)))
            return NPLUG_CONTROL(class_, row->place + number - 1);
    }
    return 0;
}

nplug_control nplug_control_from_name(const char *name, size_t length)
{
    const char *colon;

    if (!name) return 0;
    if (length == (size_t)-1) length = strlen(name);
    colon = (const char *)memchr(name, ':', length);
    if (!colon) return 0;
    if (same("key-label", name, (size_t)(colon - name)))
        return label_of(colon + 1, length - (size_t)(colon + 1 - name));
    if (same("zone", name, (size_t)(colon - name)))
        return zone_of(colon + 1, length - (size_t)(colon + 1 - name));
    for (unsigned i = 1; i < CLASSES; i++)
        if (same(classes[i].name, name, (size_t)(colon - name)))
            return find_in(i, colon + 1, length - (size_t)(colon + 1 - name));
    return 0;
}

size_t nplug_control_name(nplug_control control, char *buffer, size_t size)
{
    const name_row *row = row_of(control);
    np_text text = np_text_in(buffer, buffer ? size : 0);

    if (NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_KEY_LABEL) add_label(&text, control);
    if (!row) return text.length;
    if (NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_ZONE) {
        np_text_add(&text, "zone:");
        np_text_add_number(&text, (NPLUG_CONTROL_INDEX(control) >> 3) + 1u);
        np_text_add(&text, "-");
        np_text_add(&text, row->name);
        return text.length;
    }
    np_text_add(&text, classes[NPLUG_CONTROL_CLASS(control)].name);
    np_text_add(&text, ":");
    np_text_add(&text, row->name);
    if (row->numbered) {
        np_text_add(&text, "-");
        np_text_add_number(&text, NPLUG_CONTROL_INDEX(control) - row->place + 1u);
    }
    return text.length;
}

nplug_nature nplug_control_nature(nplug_control control, unsigned *components)
{
    const name_row *row = row_of(control);

    if (components) *components = row ? row->components : 0;
    if (components && NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_KEY_LABEL) *components = 1;
    return row ? (nplug_nature)row->nature : NPLUG_NATURE_BUTTON;
}

/* The nearest of one row's controls, where it is nearer than *best. */
static nplug_control nearest_in_row(unsigned class_, const name_row *row, const char *name,
                                    size_t length, unsigned *best)
{
    nplug_control found = 0;
    char full[64];

    for (unsigned n = 0; n < places_of(row); n++) {
        nplug_control control = NPLUG_CONTROL(class_, row->place + n);
        size_t known = nplug_control_name(control, full, sizeof full);
        unsigned far = np_text_distance(name, length, full, known, *best);
        if (far >= *best) continue;
        *best = far;
        found = control;
    }
    return found;
}

/* "key:w", "key:1", "key:up" and "key:shift" for KeyW, Digit1, ArrowUp and ShiftLeft: what the
 * W3C's codes say beside what is printed on the key. */
static nplug_control fuller_key(const char *name, size_t length)
{
    static const char *const before[] = {"Key", "Digit", "Arrow", ""};
    char full[40], word[24];
    size_t used = length - 4;

    if (length < 5 || used >= sizeof word || memcmp(name, "key:", 4) != 0) return 0;
    memcpy(word, name + 4, used);
    word[used] = 0;
    if (word[0] >= 'a' && word[0] <= 'z') word[0] = (char)(word[0] - 'a' + 'A');
    for (unsigned i = 0; i < sizeof before / sizeof *before; i++) {
        np_text text = np_text_in(full, sizeof full);
        nplug_control control;
        np_text_add(&text, "key:");
        np_text_add(&text, before[i]);
        np_text_add(&text, word);
        if (!before[i][0]) np_text_add(&text, "Left");
        control = nplug_control_from_name(full, (size_t)-1);
        if (control) return control;
    }
    return 0;
}

nplug_control nplug_control_nearest(const char *name, size_t length)
{
    unsigned best = 4; /* three changes at most */
    nplug_control found;

    if (!name) return 0;
    if (length == (size_t)-1) length = strlen(name);
    found = fuller_key(name, length);
    if (found) return found;
    for (unsigned c = 1; c < CLASSES; c++)
        for (unsigned i = 0; i < classes[c].count; i++) {
            nplug_control near = nearest_in_row(c, &classes[c].rows[i], name, length, &best);
            if (near) found = near;
        }
    return found;
}

const char *nplug_kind_name(uint32_t kind)
{
    static const char *const names[] = {"unknown",    "keyboard", "mouse", "pad",
                                        "stick",      "wheel",    "touch", "hand-left",
                                        "hand-right", "headset",  "motion"};
    return (unsigned)kind < sizeof names / sizeof *names ? names[kind] : "unknown";
}

const char *nplug_nature_name(uint32_t nature)
{
    static const char *const names[] = {"button",   "axis", "hat",     "delta",
                                        "position", "pose", "contact", "sensor"};
    return (unsigned)nature < sizeof names / sizeof *names ? names[nature] : "unknown";
}

const char *nplug_space_name(uint32_t space)
{
    static const char *const names[NP_SPACES] = {"plain", "evdev", "hid", "w3c", "openxr"};
    if (space == NPLUG_SPACE_ZONE) return "zone";
    return (unsigned)space < NP_SPACES ? names[space] : "unknown";
}
