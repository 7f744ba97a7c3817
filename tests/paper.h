/* Devices made of paper: a nest with a port by hand, on which a test plugs in whatever nodes it
 * writes down. */
#ifndef TESTS_PAPER_H
#define TESTS_PAPER_H

#include "support.h"

#define EV(type, code)   (((uint32_t)(type) << 16) | (code))
#define HID(page, usage) (((uint32_t)(page) << 16) | (usage))
#define BTN(code)        EV(1, code), NPLUG_SPACE_EVDEV, NPLUG_NATURE_BUTTON, 0, 1, NO
#define ABS(code, a, b)  EV(3, code), NPLUG_SPACE_EVDEV, NPLUG_NATURE_AXIS, a, b, NO
#define HAT(code)        EV(3, code), NPLUG_SPACE_EVDEV, NPLUG_NATURE_HAT, -1, 1, NO
#define REL(code)        EV(2, code), NPLUG_SPACE_EVDEV, NPLUG_NATURE_DELTA, 0, 0, NO
#define USE(u, a, b)     u, NPLUG_SPACE_HID, NPLUG_NATURE_AXIS, a, b, NO
#define SILENT           INT32_MIN /* says nothing when it comes */
#define NO               SILENT, 0, 0, 0

typedef struct paper_signal {
    uint32_t code, space, nature;
    int32_t min, max, says;
    int32_t resolution, fuzz, flat;
} paper_signal;

/* One node, as a port announces it. */
typedef struct paper_node {
    uint16_t bus, vendor, product, version;
    uint32_t properties;
    const char *serial, *socket, *unit; /* NULL: not said */
    const paper_signal *signals;
    uint16_t count;
} paper_node;

typedef struct paper_rig {
    test_rig rig;
    hand_port port;
} paper_rig;

/* Reads signals written as texts, parted by semicolons; returns how many.
 *
 *   3:0 0..255           an axis by the kernel's type and code, and its range (1: a button, 2: a
 * delta) u9:1                 a HID usage: a button of page 7 or 9, else an axis; w0:1 and p0:1 are
 * numbers of the W3C's layout, and counted ones 3:10 hat -1..1 =0    with a nature of its own, and
 * what it says when it comes */
uint16_t read_paper(const char *text, paper_signal *signals);

void open_paper(paper_rig *p);
void open_paper_setup(paper_rig *p, nplug_setup setup);

/* Plugs a node in, by the port's number for it; takes no step. */
void plug_paper_node(paper_rig *p, nplug_time time, uint32_t number, const paper_node *node);

/* Plugs one in as number 1 at time 0, steps, and returns the first device. */
nplug_device plug_paper(paper_rig *p, uint16_t bus, uint16_t vendor, uint16_t product,
                        uint16_t version, const paper_signal *signals, uint16_t count);

/* A signal of a node says a value; `more` of the same moment follows. */
void say_paper(paper_rig *p, nplug_time time, uint32_t number, uint16_t signal, int32_t value,
               bool more);
void say(paper_rig *p, nplug_time time, uint16_t signal, int32_t value);

nplug_device_facts look_paper(const paper_rig *p, nplug_device device);

#endif
