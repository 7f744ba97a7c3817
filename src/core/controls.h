/* Normalisation: signals become the controls of a device, by the wires of its sheet; and the one
 * rule by which a control is spent. */
#ifndef NP_CONTROLS_H
#define NP_CONTROLS_H

#include "recognise.h"

/* A control counts as pressed from PRESS up, until it falls below RELEASE; a spent one is at rest
 * again when it is nearer to rest than REST. */
#define NP_PRESS   0.5f
#define NP_RELEASE 0.4f
#define NP_REST    0.2f

/* An axis is moved from here on, until it is nearer to its rest than BACK. */
#define NP_AWAY 0.35f
#define NP_BACK 0.25f

/* Of what concerns all parts of a device. */
#define NP_ALL_PARTS 255u

enum {
    NP_CONTROL_DOWN = 1,
    NP_CONTROL_SPENT = 2,     /* reads as at rest downstream until it has really been at rest */
    NP_CONTROL_MOVED = 4,     /* in the list of the value lane */
    NP_CONTROL_LEVER = 8,     /* stays where it is put */
    NP_CONTROL_SQUARE = 16,   /* a stick whose corners reach 1, 1 */
    NP_CONTROL_BOTH = 32,     /* an axis that goes both ways from its rest */
    NP_CONTROL_READY = 64,    /* an axis that was seen near its rest: leaving that is a movement */
    NP_CONTROL_MUTED = 128,   /* its device is not heard: what moves is spent */
    NP_CONTROL_ASIDE = 256,   /* of a node beside the chief one: it is never use */
    NP_CONTROL_GUESS = 512,   /* its sheet says that it is a guess */
    NP_CONTROL_LIES = 1024,   /* it rests where it lay, not where its sheet expects */
    NP_CONTROL_PULLED = 2048, /* a lever that was pulled from where it was parked */
    NP_CONTROL_FAR = 4096     /* an axis that is away from its rest, as long as that is found out */
};

typedef struct np_wire {
    int32_t low, rest, high; /* of a delta, `rest` is the sum at the last value lane, and
                              * `low` has turned since the last notch */
    uint16_t control;
    uint16_t how; /* an nplug_reading; the bits below are added */
    uint16_t signal;
    uint8_t component;
} np_wire;

enum {
    NP_WIRE_READING = 15,
    NP_WIRE_REVERSED = 16,
    NP_WIRE_BUTTON = 32,
    NP_WIRE_DELTA = 64,
    NP_WIRE_UNMOVED = 128, /* 0 is no value yet: the hardware says so until it is first moved */
    NP_WIRE_SHARED = 256,  /* other wires feed the same: the strongest of them holds */
    NP_WIRE_ASKS = 512     /* its sheet only expects where it rests: the hardware is asked */
};

typedef struct np_control {
    float value[2];
    nplug_control id;
    uint16_t device;
    uint8_t nature : 4, components : 4;
    uint8_t part; /* of its device, from 1; 0: the device has none, or it is in none */
    uint16_t flags;
} np_control;

/* A run of places in some pool. */
typedef struct np_run {
    uint16_t first, count;
} np_run;

/* How many of a device's axes are not ready. */
typedef enum np_unready { NP_UNREADY_NONE = 0, NP_UNREADY_SOME, NP_UNREADY_ALL } np_unready;

typedef struct np_controls {
    np_control *list;
    np_span span;
    np_run *of_device;
    np_wire *wires;
    np_span wire_span;
    np_run *of_signal;    /* the wires that read a signal */
    np_run *wires_of;     /* all wires of a device */
    uint32_t muted_kinds; /* bit by kind: whatever moves is spent */
    uint32_t deaf_kinds;  /* likewise, since the game's window has no focus */
    uint8_t *unready;     /* by device: an np_unready */
    uint16_t *moved;      /* controls whose value may be another since the value lane last ran */
    uint32_t moved_count;
} np_controls;

/* Values between which nobody needs to be called: at_least <= value < below. */
typedef struct np_interval {
    float at_least, below;
} np_interval;
static inline void np_interval_narrow(np_interval *interval, float at_least, float below)
{
    if (interval->at_least < at_least) interval->at_least = at_least;
    if (interval->below > below) interval->below = below;
}

#define NP_ANYWHERE_LOW  (-4.0f)
#define NP_ANYWHERE_HIGH 4.0f

/* What an update came to. */
typedef enum np_edge { NP_EDGE_NONE = 0, NP_EDGE_PRESS, NP_EDGE_RELEASE } np_edge;

void np_controls_layout(np_controls *controls, np_carve *carve, const nplug_limits *limits);

/* A lever was pulled from where it was parked, or is parked anew. */
void np_controls_pull(np_controls *controls, uint32_t control, bool pulled);

/* Whether an axis that was ready is far from its rest: it is ready no more.  And inside which
 * values of its numbers it is not. */
bool np_controls_leave(np_controls *controls, uint32_t control);
void np_controls_guard_leave(const np_control *control, np_interval *interval);

/* How far the axes of a device are from their rest, all together, and whether any is away from it:
 * as it said last, whether a stage was called for that or not. */
float np_controls_distance(const np_controls *controls, const np_devices *devices, uint32_t device);
bool np_controls_any_away(const np_controls *controls, const np_devices *devices, uint32_t device);

/* The axes of a device that are near their rest are ready, and are watched; or none is. */
void np_controls_make_ready(np_controls *controls, np_devices *devices, uint32_t device);
void np_controls_make_unready(np_controls *controls, uint32_t device);

/* Makes the controls of a device (wiring.c); NPLUG_LIMIT_CONTROLS where there is no room (and
 * the device has none), -1 where all is well. */
int np_controls_build(np_controls *controls, np_devices *devices, uint32_t device,
                      const np_recogniser *recogniser);
void np_controls_drop(np_controls *controls, const np_devices *devices, uint32_t device);

/* The value that a wire reads from a raw value. */
float np_wire_value(const np_wire *wire, int32_t raw);

/* Whether a wire's value may go up and down again while its raw value rises. */
bool np_wire_jumps(const np_wire *wire);

/* Gives the control of a signal's wire its value; one that is at rest is spent no more. */
void np_controls_set(np_controls *controls, const np_devices *devices, uint32_t wire,
                     uint32_t signal);

/* Asks a signal where it rests: true where a wire of it rests at its other end from now on, since
 * the signal lies there.  What was found out before is kept. */
bool np_controls_ask(np_controls *controls, np_devices *devices, uint32_t signal);

/* Whether a node has said where at least two of its axes are, and those with a middle are near it:
 * so nobody moves it. */
bool np_controls_lies_still(const np_controls *controls, const np_devices *devices, uint32_t node);

/* Whether a control has passed its press threshold since it was last asked. */
np_edge np_controls_edge(np_controls *controls, uint32_t control);

/* All wires of a signal rest and end elsewhere. */
void np_controls_calibrate(np_controls *controls, uint32_t signal, int32_t rest, int32_t low,
                           int32_t high);

/* Whether a signal's controls rest where it lay, not where their sheet expects. */
void np_controls_lie(np_controls *controls, uint32_t signal, bool lies);

/* Kinds of device that are not heard, for a while or without focus: each control of theirs that
 * leaves its rest is spent. */
void np_controls_mute_kinds(np_controls *controls, uint32_t kinds);
void np_controls_deafen_kinds(np_controls *controls, uint32_t kinds);

/* Brings a device of some kind up to what is muted: true where that is new. */
bool np_controls_mute(np_controls *controls, uint32_t device, nplug_kind kind);

/* Deals a control to a part of its device. */
void np_controls_deal(np_controls *controls, uint32_t control, uint8_t part);

/* Spends a control that is not at rest: of what moves without ends, one that slides. */
void np_controls_spend(np_controls *controls, uint32_t control, bool slides);

/* All controls of a device have the values that it said last, whether anyone had to see them; what
 * moves without ends starts again from here. */
void np_controls_refresh(np_controls *controls, const np_devices *devices, uint32_t device);

/* Something that moves without ends is about to move: after a pause it is spent no more; what moves
 * while it is muted is spent. */
void np_controls_slide(np_controls *controls, const np_devices *devices, uint32_t signal,
                       nplug_time time);

/* The value that players get. */
static inline nplug_vec2 np_controls_heard(const np_control *control)
{
    nplug_vec2 value = {control->value[0], control->value[1]};

    if (control->flags & NP_CONTROL_SPENT) value.x = value.y = 0.0f;
    return value;
}

/* The value lane: brings all controls of dirty signals up to date and lists them as moved. */
void np_controls_settle(np_controls *controls, np_devices *devices);
void np_controls_clean(np_controls *controls);

/* Inside which values of `component` this stage need not be called; false: always. */
bool np_controls_guard(const np_control *control, np_interval *interval);

/* The place of a device's control by its number, or NP_NONE. */
uint32_t np_controls_find(const np_controls *controls, uint32_t device, nplug_control id);

#endif
