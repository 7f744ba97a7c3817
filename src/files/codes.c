#include "codes.h"
#include <string.h>

const char *const nf_space_names[NPLUG_SPACES] = {"plain", "evdev", "hid", "w3c", "openxr"};

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
    BTN("BTN_SOUTH", 0x130),      BTN("BTN_EAST", 0x131),      BTN("BTN_C", 0x132),
    BTN("BTN_NORTH", 0x133),      BTN("BTN_WEST", 0x134),      BTN("BTN_Z", 0x135),
    BTN("BTN_TL", 0x136),         BTN("BTN_TR", 0x137),        BTN("BTN_TL2", 0x138),
    BTN("BTN_TR2", 0x139),        BTN("BTN_SELECT", 0x13a),    BTN("BTN_START", 0x13b),
    BTN("BTN_MODE", 0x13c),       BTN("BTN_THUMBL", 0x13d),    BTN("BTN_THUMBR", 0x13e),
    BTN("BTN_DPAD_UP", 0x220),    BTN("BTN_DPAD_DOWN", 0x221), BTN("BTN_DPAD_LEFT", 0x222),
    BTN("BTN_DPAD_RIGHT", 0x223), BTN("BTN_LEFT", 0x110),      BTN("BTN_RIGHT", 0x111),
    BTN("BTN_MIDDLE", 0x112),     BTN("BTN_SIDE", 0x113),      BTN("BTN_EXTRA", 0x114),
    REL("REL_X", 0x00),           REL("REL_Y", 0x01),          REL("REL_HWHEEL", 0x06),
    REL("REL_WHEEL", 0x08),       ABS("ABS_X", 0x00),          ABS("ABS_Y", 0x01),
    ABS("ABS_Z", 0x02),           ABS("ABS_RX", 0x03),         ABS("ABS_RY", 0x04),
    ABS("ABS_RZ", 0x05),          ABS("ABS_THROTTLE", 0x06),   ABS("ABS_RUDDER", 0x07),
    ABS("ABS_WHEEL", 0x08),       ABS("ABS_GAS", 0x09),        ABS("ABS_BRAKE", 0x0a),
    ABS("ABS_HAT0X", 0x10),       ABS("ABS_HAT0Y", 0x11),
};
#define EVDEV_COUNT (sizeof evdev / sizeof *evdev)

bool nf_code_from_name(nplug_space space, const char *name, uint32_t *code)
{
    for (size_t i = 0; space == NPLUG_SPACE_EVDEV && i < EVDEV_COUNT; i++) {
        if (strcmp(evdev[i].name, name) != 0) continue;
        *code = evdev[i].code;
        return true;
    }
    return false;
}

const char *const *nf_code_names(nplug_space space, size_t *count, size_t *stride)
{
    *count = space == NPLUG_SPACE_EVDEV ? EVDEV_COUNT : 0;
    *stride = sizeof *evdev;
    return space == NPLUG_SPACE_EVDEV ? &evdev[0].name : NULL;
}
