/* The simulated models: what each device is, as the hardware itself would say it.  All are made
 * up, and so are their numbers. */
#include "nestplug/sim.h"

#define BUS_USB        0x03
#define VENDOR         0xb12d /* made up */
#define EV(type, code) (((uint32_t)(type) << 16) | (code))
#define COUNT(list)    (uint16_t)(sizeof(list) / sizeof *(list))

#define BUTTON(code)                                                                               \
    {                                                                                              \
        EV(1, code), 0, 0, 1, NPLUG_SPACE_EVDEV, NPLUG_NATURE_BUTTON                               \
    }
#define AXIS(code, min, rest, max)                                                                 \
    {                                                                                              \
        EV(3, code), min, rest, max, NPLUG_SPACE_EVDEV, NPLUG_NATURE_AXIS                          \
    }
#define HAT(code)                                                                                  \
    {                                                                                              \
        EV(3, code), -1, 0, 1, NPLUG_SPACE_EVDEV, NPLUG_NATURE_HAT                                 \
    }
#define DELTA(code)                                                                                \
    {                                                                                              \
        EV(2, code), 0, 0, 0, NPLUG_SPACE_EVDEV, NPLUG_NATURE_DELTA                                \
    }

/* Heron: a pad with 16-bit sticks, y down, 10-bit triggers that rest low, the d-pad as a hat. */
static const nplug_sim_signal heron_signals[] = {
    AXIS(0x00, -32768, 0, 32767),
    AXIS(0x01, -32768, 0, 32767),
    AXIS(0x02, 0, 0, 1023),
    AXIS(0x03, -32768, 0, 32767),
    AXIS(0x04, -32768, 0, 32767),
    AXIS(0x05, 0, 0, 1023),
    HAT(0x10),
    HAT(0x11),
    BUTTON(0x130),
    BUTTON(0x131),
    BUTTON(0x134),
    BUTTON(0x133),
    BUTTON(0x136),
    BUTTON(0x137),
    BUTTON(0x13a),
    BUTTON(0x13b),
    BUTTON(0x13c),
    BUTTON(0x13d),
    BUTTON(0x13e),
};
static const nplug_sim_control heron_controls[] = {
    {"stick-left", 0, 0, -32768, 0, 32767},
    {"stick-left", 1, 1, 32767, 0, -32768},
    {"trigger-left", 2, 0, 0, 0, 1023},
    {"stick-right", 3, 0, -32768, 0, 32767},
    {"stick-right", 4, 1, 32767, 0, -32768},
    {"trigger-right", 5, 0, 0, 0, 1023},
    {"dpad-left", 6, 0, 0, 0, -1},
    {"dpad-right", 6, 0, 0, 0, 1},
    {"dpad-up", 7, 0, 0, 0, -1},
    {"dpad-down", 7, 0, 0, 0, 1},
    {"south", 8, 0, 0, 0, 1},
    {"east", 9, 0, 0, 0, 1},
    {"west", 10, 0, 0, 0, 1},
    {"north", 11, 0, 0, 0, 1},
    {"shoulder-left", 12, 0, 0, 0, 1},
    {"shoulder-right", 13, 0, 0, 0, 1},
    {"select", 14, 0, 0, 0, 1},
    {"start", 15, 0, 0, 0, 1},
    {"home", 16, 0, 0, 0, 1},
    {"stick-left-click", 17, 0, 0, 0, 1},
    {"stick-right-click", 18, 0, 0, 0, 1},
};

/* Turnstone: a keyboard that names its keys by HID usage. */
#define KEY(usage)                                                                                 \
    {                                                                                              \
        (7u << 16) | (usage), 0, 0, 1, NPLUG_SPACE_HID, NPLUG_NATURE_BUTTON                        \
    }
#define KEYS4(u)  KEY(u), KEY((u) + 1), KEY((u) + 2), KEY((u) + 3)
#define KEYS16(u) KEYS4(u), KEYS4((u) + 4), KEYS4((u) + 8), KEYS4((u) + 12)
static const nplug_sim_signal turnstone_signals[] = {
    KEYS16(0x04), KEYS16(0x14), KEYS16(0x24), KEYS16(0x34), KEYS16(0x44),
    KEYS16(0x54), KEYS4(0x64),  KEYS4(0xe0),  KEYS4(0xe4),
};

/* Stint: a mouse. */
static const nplug_sim_signal stint_signals[] = {
    DELTA(0x00), DELTA(0x01), DELTA(0x08), BUTTON(0x110), BUTTON(0x111), BUTTON(0x112),
};
static const nplug_sim_control stint_controls[] = {
    {"left", 3, 0, 0, 0, 1}, {"right", 4, 0, 0, 0, 1}, {"middle", 5, 0, 0, 0, 1}};

/* Sanderling: something that no sheet fits. */
static const nplug_sim_signal sanderling_signals[] = {
    {0, 0, 100, 200, NPLUG_SPACE_PLAIN, NPLUG_NATURE_AXIS},
    {1, 0, 0, 1, NPLUG_SPACE_PLAIN, NPLUG_NATURE_BUTTON},
};
static const nplug_sim_control sanderling_controls[] = {{"slider", 0, 0, 0, 100, 200},
                                                        {"button", 1, 0, 0, 0, 1}};

static const nplug_sim_model models[] = {
    {"heron", "Heron Pad", NULL, BUS_USB, VENDOR, 0x0101, 0x0110, COUNT(heron_signals),
     COUNT(heron_controls), heron_signals, heron_controls, 4000},
    {"turnstone", "Turnstone Keyboard", "key", BUS_USB, VENDOR, 0x0701, 0x0100,
     COUNT(turnstone_signals), 0, turnstone_signals, NULL, 8000},
    {"stint", "Stint Mouse", NULL, BUS_USB, VENDOR, 0x0801, 0x0100, COUNT(stint_signals),
     COUNT(stint_controls), stint_signals, stint_controls, 2000},
    {"sanderling", "Sanderling Box", NULL, BUS_USB, VENDOR, 0x0f01, 0x0100,
     COUNT(sanderling_signals), COUNT(sanderling_controls), sanderling_signals, sanderling_controls,
     8000},
};

const nplug_sim_model *nplug_sim_models(uint32_t *count)
{
    *count = COUNT(models);
    return models;
}
