#include "codes.h"
#include "nestplug/files.h"
#include <stdio.h>
#include <string.h>

const char *const nf_space_names[NP_SPACES] = {"plain", "evdev", "hid", "w3c", "openxr"};

const char *const nf_component_names[NF_COMPONENTS] = {
    "x", "y", "z", "qx", "qy", "qz", "qw", "tracking", "vx", "vy", "vz", "wx", "wy", "wz"};

typedef struct code_row {
    const char *name;
    uint32_t code;
} code_row;

/* Event types and codes of the Linux kernel's input interface (input-event-codes.h). */
#define BTN(name, code)                                                                            \
    {                                                                                              \
        name, (1u << 16) | (code)                                                                  \
    }
#define REL(name, code)                                                                            \
    {                                                                                              \
        name, (2u << 16) | (code)                                                                  \
    }
#define ABS(name, code)                                                                            \
    {                                                                                              \
        name, (3u << 16) | (code)                                                                  \
    }

static const code_row evdev[] = {
    BTN("BTN_0", 0x100),
    BTN("BTN_1", 0x101),
    BTN("BTN_2", 0x102),
    BTN("BTN_3", 0x103),
    BTN("BTN_4", 0x104),
    BTN("BTN_5", 0x105),
    BTN("BTN_6", 0x106),
    BTN("BTN_7", 0x107),
    BTN("BTN_8", 0x108),
    BTN("BTN_9", 0x109),
    BTN("BTN_LEFT", 0x110),
    BTN("BTN_RIGHT", 0x111),
    BTN("BTN_MIDDLE", 0x112),
    BTN("BTN_SIDE", 0x113),
    BTN("BTN_EXTRA", 0x114),
    BTN("BTN_FORWARD", 0x115),
    BTN("BTN_BACK", 0x116),
    BTN("BTN_TASK", 0x117),
    BTN("BTN_TRIGGER", 0x120),
    BTN("BTN_THUMB", 0x121),
    BTN("BTN_THUMB2", 0x122),
    BTN("BTN_TOP", 0x123),
    BTN("BTN_TOP2", 0x124),
    BTN("BTN_PINKIE", 0x125),
    BTN("BTN_BASE", 0x126),
    BTN("BTN_BASE2", 0x127),
    BTN("BTN_BASE3", 0x128),
    BTN("BTN_BASE4", 0x129),
    BTN("BTN_BASE5", 0x12a),
    BTN("BTN_BASE6", 0x12b),
    BTN("BTN_DEAD", 0x12f),
    BTN("BTN_SOUTH", 0x130),
    BTN("BTN_EAST", 0x131),
    BTN("BTN_C", 0x132),
    BTN("BTN_NORTH", 0x133),
    BTN("BTN_WEST", 0x134),
    BTN("BTN_Z", 0x135),
    BTN("BTN_TL", 0x136),
    BTN("BTN_TR", 0x137),
    BTN("BTN_TL2", 0x138),
    BTN("BTN_TR2", 0x139),
    BTN("BTN_SELECT", 0x13a),
    BTN("BTN_START", 0x13b),
    BTN("BTN_MODE", 0x13c),
    BTN("BTN_THUMBL", 0x13d),
    BTN("BTN_THUMBR", 0x13e),
    BTN("BTN_TOOL_PEN", 0x140),
    BTN("BTN_TOOL_RUBBER", 0x141),
    BTN("BTN_TOOL_BRUSH", 0x142),
    BTN("BTN_TOOL_PENCIL", 0x143),
    BTN("BTN_TOOL_AIRBRUSH", 0x144),
    BTN("BTN_TOOL_FINGER", 0x145),
    BTN("BTN_TOOL_MOUSE", 0x146),
    BTN("BTN_TOOL_LENS", 0x147),
    BTN("BTN_TOOL_QUINTTAP", 0x148),
    BTN("BTN_STYLUS3", 0x149),
    BTN("BTN_TOUCH", 0x14a),
    BTN("BTN_STYLUS", 0x14b),
    BTN("BTN_STYLUS2", 0x14c),
    BTN("BTN_TOOL_DOUBLETAP", 0x14d),
    BTN("BTN_TOOL_TRIPLETAP", 0x14e),
    BTN("BTN_TOOL_QUADTAP", 0x14f),
    BTN("BTN_GEAR_DOWN", 0x150),
    BTN("BTN_GEAR_UP", 0x151),
    BTN("BTN_DPAD_UP", 0x220),
    BTN("BTN_DPAD_DOWN", 0x221),
    BTN("BTN_DPAD_LEFT", 0x222),
    BTN("BTN_DPAD_RIGHT", 0x223),
    BTN("BTN_TRIGGER_HAPPY1", 0x2c0),
    BTN("BTN_TRIGGER_HAPPY2", 0x2c1),
    BTN("BTN_TRIGGER_HAPPY3", 0x2c2),
    BTN("BTN_TRIGGER_HAPPY4", 0x2c3),
    BTN("BTN_TRIGGER_HAPPY5", 0x2c4),
    BTN("BTN_TRIGGER_HAPPY6", 0x2c5),
    BTN("BTN_TRIGGER_HAPPY7", 0x2c6),
    BTN("BTN_TRIGGER_HAPPY8", 0x2c7),
    BTN("BTN_TRIGGER_HAPPY9", 0x2c8),
    BTN("BTN_TRIGGER_HAPPY10", 0x2c9),
    BTN("BTN_TRIGGER_HAPPY11", 0x2ca),
    BTN("BTN_TRIGGER_HAPPY12", 0x2cb),
    BTN("BTN_TRIGGER_HAPPY13", 0x2cc),
    BTN("BTN_TRIGGER_HAPPY14", 0x2cd),
    BTN("BTN_TRIGGER_HAPPY15", 0x2ce),
    BTN("BTN_TRIGGER_HAPPY16", 0x2cf),
    BTN("BTN_TRIGGER_HAPPY17", 0x2d0),
    BTN("BTN_TRIGGER_HAPPY18", 0x2d1),
    BTN("BTN_TRIGGER_HAPPY19", 0x2d2),
    BTN("BTN_TRIGGER_HAPPY20", 0x2d3),
    BTN("BTN_TRIGGER_HAPPY21", 0x2d4),
    BTN("BTN_TRIGGER_HAPPY22", 0x2d5),
    BTN("BTN_TRIGGER_HAPPY23", 0x2d6),
    BTN("BTN_TRIGGER_HAPPY24", 0x2d7),
    BTN("BTN_TRIGGER_HAPPY25", 0x2d8),
    BTN("BTN_TRIGGER_HAPPY26", 0x2d9),
    BTN("BTN_TRIGGER_HAPPY27", 0x2da),
    BTN("BTN_TRIGGER_HAPPY28", 0x2db),
    BTN("BTN_TRIGGER_HAPPY29", 0x2dc),
    BTN("BTN_TRIGGER_HAPPY30", 0x2dd),
    BTN("BTN_TRIGGER_HAPPY31", 0x2de),
    BTN("BTN_TRIGGER_HAPPY32", 0x2df),
    BTN("BTN_TRIGGER_HAPPY33", 0x2e0),
    BTN("BTN_TRIGGER_HAPPY34", 0x2e1),
    BTN("BTN_TRIGGER_HAPPY35", 0x2e2),
    BTN("BTN_TRIGGER_HAPPY36", 0x2e3),
    BTN("BTN_TRIGGER_HAPPY37", 0x2e4),
    BTN("BTN_TRIGGER_HAPPY38", 0x2e5),
    BTN("BTN_TRIGGER_HAPPY39", 0x2e6),
    BTN("BTN_TRIGGER_HAPPY40", 0x2e7),
    REL("REL_X", 0x00),
    REL("REL_Y", 0x01),
    REL("REL_Z", 0x02),
    REL("REL_RX", 0x03),
    REL("REL_RY", 0x04),
    REL("REL_RZ", 0x05),
    REL("REL_HWHEEL", 0x06),
    REL("REL_DIAL", 0x07),
    REL("REL_WHEEL", 0x08),
    REL("REL_MISC", 0x09),
    REL("REL_WHEEL_HI_RES", 0x0b),
    REL("REL_HWHEEL_HI_RES", 0x0c),
    ABS("ABS_X", 0x00),
    ABS("ABS_Y", 0x01),
    ABS("ABS_Z", 0x02),
    ABS("ABS_RX", 0x03),
    ABS("ABS_RY", 0x04),
    ABS("ABS_RZ", 0x05),
    ABS("ABS_THROTTLE", 0x06),
    ABS("ABS_RUDDER", 0x07),
    ABS("ABS_WHEEL", 0x08),
    ABS("ABS_GAS", 0x09),
    ABS("ABS_BRAKE", 0x0a),
    ABS("ABS_HAT0X", 0x10),
    ABS("ABS_HAT0Y", 0x11),
    ABS("ABS_HAT1X", 0x12),
    ABS("ABS_HAT1Y", 0x13),
    ABS("ABS_HAT2X", 0x14),
    ABS("ABS_HAT2Y", 0x15),
    ABS("ABS_HAT3X", 0x16),
    ABS("ABS_HAT3Y", 0x17),
    ABS("ABS_PRESSURE", 0x18),
    ABS("ABS_DISTANCE", 0x19),
    ABS("ABS_TILT_X", 0x1a),
    ABS("ABS_TILT_Y", 0x1b),
    ABS("ABS_TOOL_WIDTH", 0x1c),
    ABS("ABS_VOLUME", 0x20),
    ABS("ABS_PROFILE", 0x21),
    ABS("ABS_MISC", 0x28),
    ABS("ABS_MT_SLOT", 0x2f),
    ABS("ABS_MT_TOUCH_MAJOR", 0x30),
    ABS("ABS_MT_TOUCH_MINOR", 0x31),
    ABS("ABS_MT_WIDTH_MAJOR", 0x32),
    ABS("ABS_MT_WIDTH_MINOR", 0x33),
    ABS("ABS_MT_ORIENTATION", 0x34),
    ABS("ABS_MT_POSITION_X", 0x35),
    ABS("ABS_MT_POSITION_Y", 0x36),
    ABS("ABS_MT_TOOL_TYPE", 0x37),
    ABS("ABS_MT_BLOB_ID", 0x38),
    ABS("ABS_MT_TRACKING_ID", 0x39),
    ABS("ABS_MT_PRESSURE", 0x3a),
    ABS("ABS_MT_DISTANCE", 0x3b),
    ABS("ABS_MT_TOOL_X", 0x3c),
    ABS("ABS_MT_TOOL_Y", 0x3d),
};
#define EVDEV_COUNT (sizeof evdev / sizeof *evdev)

/* Paths of OpenXR (1.0, semantic paths for interaction profiles) below
 * .../input/, a pose's numbers apart: its place, its rotation, the flags of its location
 * (XrSpaceLocationFlagBits), and how fast it moves and turns; numbered here. */
static const code_row openxr[] = {
    {"select/click", 1},
    {"system/click", 2},
    {"menu/click", 3},
    {"squeeze/value", 4},
    {"squeeze/touch", 5},
    {"trigger/value", 6},
    {"trigger/touch", 7},
    {"trigger/proximity", 8},
    {"thumbstick/x", 9},
    {"thumbstick/y", 10},
    {"thumbstick/click", 11},
    {"thumbstick/touch", 12},
    {"thumbrest/touch", 13},
    {"thumbrest/proximity", 14},
    {"a/click", 15},
    {"a/touch", 16},
    {"b/click", 17},
    {"b/touch", 18},
    {"x/click", 19},
    {"x/touch", 20},
    {"y/click", 21},
    {"y/touch", 22},
    {"user/presence", 23},
    {"grip/pose/x", 24},
    {"grip/pose/y", 25},
    {"grip/pose/z", 26},
    {"grip/pose/qx", 27},
    {"grip/pose/qy", 28},
    {"grip/pose/qz", 29},
    {"grip/pose/qw", 30},
    {"aim/pose/x", 31},
    {"aim/pose/y", 32},
    {"aim/pose/z", 33},
    {"aim/pose/qx", 34},
    {"aim/pose/qy", 35},
    {"aim/pose/qz", 36},
    {"aim/pose/qw", 37},
    {"view/pose/x", 38},
    {"view/pose/y", 39},
    {"view/pose/z", 40},
    {"view/pose/qx", 41},
    {"view/pose/qy", 42},
    {"view/pose/qz", 43},
    {"view/pose/qw", 44},
    {"grip/pose/tracking", 45},
    {"grip/pose/vx", 46},
    {"grip/pose/vy", 47},
    {"grip/pose/vz", 48},
    {"grip/pose/wx", 49},
    {"grip/pose/wy", 50},
    {"grip/pose/wz", 51},
    {"aim/pose/tracking", 52},
    {"aim/pose/vx", 53},
    {"aim/pose/vy", 54},
    {"aim/pose/vz", 55},
    {"aim/pose/wx", 56},
    {"aim/pose/wy", 57},
    {"aim/pose/wz", 58},
    {"view/pose/tracking", 59},
    {"view/pose/vx", 60},
    {"view/pose/vy", 61},
    {"view/pose/vz", 62},
    {"view/pose/wx", 63},
    {"view/pose/wy", 64},
    {"view/pose/wz", 65},
};
#define OPENXR_COUNT (sizeof openxr / sizeof *openxr)

static const code_row *rows_of(nplug_space space, size_t *count)
{
    *count = space == NPLUG_SPACE_EVDEV    ? EVDEV_COUNT
             : space == NPLUG_SPACE_OPENXR ? OPENXR_COUNT
                                           : 0;
    return space == NPLUG_SPACE_EVDEV ? evdev : openxr;
}

bool nf_code_from_name(nplug_space space, const char *name, uint32_t *code)
{
    size_t count;
    const code_row *rows = rows_of(space, &count);

    for (size_t i = 0; i < count; i++) {
        if (strcmp(rows[i].name, name) != 0) continue;
        *code = rows[i].code;
        return true;
    }
    return false;
}

static const char *name_of(nplug_space space, uint32_t code)
{
    size_t count;
    const code_row *rows = rows_of(space, &count);

    for (size_t i = 0; i < count; i++)
        if (rows[i].code == code) return rows[i].name;
    return NULL;
}

size_t nplug_code_name(uint32_t space, uint32_t code, char *buffer, size_t size)
{
    uint32_t slot = space == NPLUG_SPACE_EVDEV ? code >> 24 : 0;
    const char *name = name_of(space, code & (space == NPLUG_SPACE_EVDEV ? 0xffffffu : UINT32_MAX));
    int length;

    if (name && slot)
        length = snprintf(buffer, size, "%s/%u", name, (unsigned)slot);
    else if (name)
        length = snprintf(buffer, size, "%s", name);
    else if (space == NPLUG_SPACE_HID)
        length = snprintf(buffer, size, "0x%04x:0x%04x", (unsigned)(code >> 16), code & 0xffffu);
    else if (space == NPLUG_SPACE_EVDEV)
        length = snprintf(buffer, size, "0x%08x", (unsigned)code);
    else
        length = snprintf(buffer, size, "%u", (unsigned)code);
    return length < 0 ? 0 : (size_t)length;
}

const char *const *nf_code_names(nplug_space space, size_t *count, size_t *stride)
{
    const code_row *rows = rows_of(space, count);

    *stride = sizeof *rows;
    return *count ? &rows->name : NULL;
}
