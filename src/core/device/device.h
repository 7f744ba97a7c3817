/* Devices: who is here, what they are, and what each control of theirs says.
 *
 * Comes in: arrivals and departures, raw values, calibrations.  Goes out: controls with normalised
 * values, guards, what is spent; events of duplicates.  Whatever changes a rest or a range empties
 * the guards itself, since guards stand here. */
#ifndef NP_DEVICE_H
#define NP_DEVICE_H

#include "core/feed/feed.h"
#include "nestplug/bind.h"
#include "nestplug/calibrate.h"
#include "nestplug/device.h"
#include "nestplug/event.h"
#include "nestplug/nest.h"
#include "nestplug/sheet.h"

/* --- who is here (devices.c) --------------------------------------------------------------------
 */

/* Who is here: nodes (what ports announce), the devices that they make up, and raw signals. */
#define NP_RECENT 64
#define NP_NOBODY UINT64_MAX

/* Flags of a signal: what there is to do when it says something.  One that moves on and on inside
 * its guard has none. */
enum {
    NP_SIGNAL_UNGUARDED = 1, /* no guard holds: inside one, only the value lane need know */
    NP_SIGNAL_CLEAN = 2,     /* not in the dirty list */
    NP_SIGNAL_SILENT = 4,    /* it has never said anything */
    NP_SIGNAL_UNSEEN = 8,    /* not named since the last resync began */
    NP_SIGNAL_TOUCHED = 16,  /* in the touched list of the group that is being taken */
    NP_SIGNAL_BOUNCES = 32,  /* it has a bouncer */
    NP_SIGNAL_FOLLOWED = 64  /* where a finger is, that somebody follows: its group is to be seen */
};

/* What a signal has that has just come, and what one loses that moves. */
#define NP_SIGNAL_NEW     (NP_SIGNAL_UNGUARDED | NP_SIGNAL_UNMOVED)
#define NP_SIGNAL_UNMOVED (NP_SIGNAL_CLEAN | NP_SIGNAL_SILENT | NP_SIGNAL_UNSEEN)

/* Raw values inside which the edge lane need not run: from `low`, that many more. */
typedef struct np_guard {
    int32_t low;
    uint32_t width;
} np_guard;

/* So many degrees a second are the end of a turn rate. */
#define NP_TURN_DEGREES 2000

/* Whether a control is what motion sensors feel, as an axis; and of those, a rate, which has a rest
 * of its own. */
static inline bool np_control_is_felt_motion(nplug_control control)
{
    return control >= NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_TURN) &&
           control <= NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_TILT);
}
static inline bool np_control_is_turn_rate(nplug_control control)
{
    return np_control_is_felt_motion(control) &&
           control != NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_TILT);
}

/* Where an axis rests that its sheet has at one end. */
typedef enum np_rests { NP_RESTS_UNASKED = 0, NP_RESTS_THERE, NP_RESTS_OTHERWISE } np_rests;

/* What no report needs of a signal but one that somebody must see. */
typedef struct np_signal {
    uint32_t code;
    int32_t min, max;
    int32_t flat, fuzz, resolution; /* 0 where the hardware does not say */
    uint16_t node;
    uint8_t space : 4;  /* an nplug_space; NP_SIGNAL_ODD: a number that is none */
    uint8_t nature : 4; /* an nplug_nature; likewise */
    uint8_t rests : 2;  /* an np_rests; whatever else comes to its device or goes */
    uint8_t finger : 5; /* of a touch surface: which finger's it is, from 1 */
    uint8_t unread : 1; /* nothing goes by its control's value, which is found when it is asked */
} np_signal;
#define NP_SIGNAL_ODD 15u

/* A battery is an axis of nothing (HID Usage Tables, page 0x06: generic device controls). */
static inline bool np_signal_is_battery(const np_signal *signal)
{
    return signal->space == NPLUG_SPACE_HID && signal->code >> 16 == 6;
}

typedef enum np_presence { NP_FREE = 0, NP_ARRIVING, NP_HERE, NP_GONE } np_presence;

typedef struct np_node {
    np_presence presence;
    uint32_t key;    /* port << 24 | the port's number */
    uint32_t device; /* index; NP_NONE while arriving */
    uint32_t next;   /* the device's next node, or NP_NONE */
    uint32_t first_signal, signals;
    nplug_time last; /* the latest time it gave */
    nplug_time
        began; /* 1 and the time of the first that it said since it is here; 0: nothing yet */
    uint64_t text_hash[NP_TEXTS];
    char name[NPLUG_NAME_SIZE];
    uint16_t bus, vendor, product, version;
    uint8_t times;
    uint8_t unreadable;
    uint8_t stale; /* 1: its port is to be asked for a resync; 2: it was */
    uint8_t resyncing;
    uint8_t looks; /* an nplug_device_kind: what it is by itself */
    uint8_t abilities;
    uint32_t properties;
} np_node;

/* By what hardware is known again: hashes of its texts, 0 where it says none, and its numbers. */
typedef struct np_who {
    uint32_t serial, socket, sort;
    uint8_t looks; /* an nplug_device_kind */
} np_who;

/* A battery that is as low as this (percent) will not last long. */
#define NP_BATTERY_LOW 15

typedef struct np_device {
    np_presence presence;
    uint32_t generation;
    uint32_t first_node;
    uint8_t abilities;     /* of its nodes, all together */
    uint64_t gone_order;   /* of those that have gone, the lowest place is given away first */
    uint64_t identity;     /* by which its calibrations are kept; 0 where nothing tells */
    nplug_time moved_last; /* when something of it moved last that moves without ends */
    uint64_t missed_by;    /* it has gone, and somebody waits for it: see np_devices_miss */
    np_who who;
    char name[NPLUG_NAME_SIZE]; /* kept after it has gone */
    uint16_t bus, vendor, product, version;
    nplug_time_source times;
    bool unreadable;
    bool charging;
    bool asleep;
    int8_t battery; /* percent; -1 where nobody knows */
} np_device;

/* A button whose contact bounces. */
typedef struct np_bouncer {
    nplug_time until; /* up to here, what it says only waits */
    uint32_t signal;
    uint32_t span; /* microseconds; 0: a free place */
    int32_t said;  /* what waits */
    bool waits;
} np_bouncer;
#define NP_BOUNCERS 32

/* Fingers of one node, bit by number. */
typedef struct np_fingers {
    uint32_t set, node;
} np_fingers;

typedef struct np_devices {
    np_node *nodes;
    np_device *list;
    np_signal *signals;
    int32_t *raw; /* of signals, and likewise the next two: all that most reports need */
    np_guard *guards;
    uint8_t *flags;
    uint16_t *order; /* of those that are here, by arrival */
    uint32_t count;
    uint32_t limit, node_limit;
    uint32_t dirty_count, touched_count;
    uint16_t *dirty;   /* signals that moved since the value lane last ran */
    uint16_t *touched; /* signals of the present group that a stage must see */
    uint16_t *map;     /* open addressing by key: node + 1 */
    uint32_t map_mask;
    bool resync_wanted; /* some node is stale and its port was not asked yet */
    uint64_t gone_count;
    np_fingers fingers; /* of which the group that is being taken says something */
    np_span signal_span;
    struct {
        np_node *node;
        uint64_t who;    /* port << 32 | the port's number, NP_NOBODY where nothing is known */
    } recent[NP_RECENT]; /* those that were found last, by the low bits of their numbers */
    np_bouncer bouncers[NP_BOUNCERS];
} np_devices;

void np_devices_layout(np_devices *devices, np_arena *arena, const nplug_limits *limits);

/* The place of a node by its key, or NP_NONE. */
uint32_t np_devices_node(np_devices *devices, uint32_t key);

/* Arrival, piece by piece.  begin: NPLUG_LIMIT_NODES or _SIGNALS where there is no room, -1 where
 * all is well.  describe: false where the piece does not belong.  ready: the device that the node
 * now belongs to (*merged: one that was here before), NP_NONE where there is no room. */
int np_devices_begin(np_devices *devices, uint32_t key, const nplug_report *report);
bool np_devices_describe(np_devices *devices, uint32_t node, const nplug_report *report);
/* A node is complete, and looks like that. */
void np_devices_complete(np_devices *devices, uint32_t node, nplug_device_kind looks);
/* The device that a node is a part of, or NP_NONE. */
uint32_t np_devices_find_unit(const np_devices *devices, uint32_t node);
/* The node that makes a device what it is: what can be a device before touch surfaces, those before
 * motion sensors and these before what looks like nothing; of several the first. */
uint32_t np_devices_chief(const np_devices *devices, uint32_t device);
/* The first of a device's nodes that looks like that, or NP_NONE. */
uint32_t np_devices_node_like(const np_devices *devices, uint32_t device, nplug_device_kind looks);
/* Whether one and the same thing may look like both: what could each be a device never is. */
bool np_kinds_go_together(nplug_device_kind a, nplug_device_kind b);
uint32_t np_devices_make(np_devices *devices, uint32_t node);
void np_devices_add_node(np_devices *devices, uint32_t device, uint32_t node);
/* It is called and numbered as its chief node is. */
void np_devices_call(np_devices *devices, uint32_t device);

np_who np_devices_who(const np_node *node);

/* What a battery report says; whether it is news. */
bool np_devices_charge(np_devices *devices, uint32_t device, const nplug_report *report);

/* A device falls asleep or wakes; whether that is news. */
bool np_devices_sleep(np_devices *devices, uint32_t device, bool asleep);

/* Somebody waits for a device that has gone, or nobody does any more (`by` is 0): its place is
 * given away after all others.  The same players of the same parts are the same number. */
void np_devices_miss(np_devices *devices, uint32_t device, uint64_t by);

/* One that has gone is known again no more: another one is now what it was. */
void np_devices_forget(np_devices *devices, uint32_t device);

/* Takes a node away from its device; the device stays. */
void np_devices_drop_node(np_devices *devices, uint32_t node);
/* The device has gone: its handle stays readable until its place is given away. */
void np_devices_drop(np_devices *devices, uint32_t device);

/* Marks on a node: dropped reports, and a resync under way. */
void np_devices_set_stale(np_devices *devices, uint32_t node, bool stale);
/* A node whose port is to be asked for a resync, once each; NP_NONE where there is no more. */
uint32_t np_devices_next_stale(np_devices *devices);
void np_devices_resync(np_devices *devices, uint32_t node, bool begins);
static inline void np_devices_note_time(np_devices *devices, uint32_t node, nplug_time time)
{
    if (time > devices->nodes[node].last) devices->nodes[node].last = time;
}

/* Handles. */
nplug_device np_devices_handle(const np_devices *devices, uint32_t device);
uint32_t np_devices_index(const np_devices *devices, nplug_device handle);
/* The same of one that is here; else NP_NONE. */
uint32_t np_devices_here(const np_devices *devices, nplug_device handle);
nplug_result np_devices_check(const np_devices *devices, nplug_device handle);

/* Stores a value (adds a delta), marks the signal dirty. */
void np_devices_store(np_devices *devices, uint32_t signal, int32_t value);
/* As store, without waking anyone: where a signal rests that has said nothing yet. */
void np_devices_rest(np_devices *devices, uint32_t signal, int32_t raw);
/* It was found out where a signal rests. */
void np_devices_found_rest(np_devices *devices, uint32_t signal, np_rests rests);
void np_devices_touch(np_devices *devices, uint32_t signal);
void np_devices_untouch(np_devices *devices);
void np_devices_clean(np_devices *devices);
/* Marks a signal as dirty. */
void np_devices_redirty(np_devices *devices, uint32_t signal);
/* As redirty, and as having said something; false, and nothing is done, where it has no guard. */
bool np_devices_moved(np_devices *devices, uint32_t signal);

/* A button bounces for so many milliseconds; one for which there is no room is taken as it is. */
void np_devices_bounces(np_devices *devices, uint32_t signal, uint16_t milliseconds);
/* Whether a value is to be taken now; else it waits, and *due is when to ask for it (0: somebody is
 * to ask already). */
bool np_devices_settled(np_devices *devices, uint32_t signal, int32_t value, nplug_time time,
                        nplug_time *due);
/* What a signal said while it bounced, now that it is due. */
int32_t np_devices_waited(np_devices *devices, uint32_t signal);
void np_devices_steady(np_devices *devices, uint32_t signal);

/* Something of a device that moves without ends has moved; and whether it has done so lately: it is
 * at rest after a pause. */
#define NP_PAUSE 100000u /* microseconds */
void np_devices_note_motion(np_devices *devices, uint32_t device, nplug_time time);
static inline bool np_devices_in_motion(const np_devices *devices, uint32_t device, nplug_time time)
{
    nplug_time moved_last = devices->list[device].moved_last;
    return moved_last && time - moved_last < NP_PAUSE;
}

/* Sets a signal's guard; `any` false empties it, and it is read again. */
void np_devices_guard(np_devices *devices, uint32_t signal, bool any, int32_t low, int32_t high);
/* Inside its guard, nobody reads a signal until that is emptied. */
void np_devices_leave_unread(np_devices *devices, uint32_t signal);
/* Somebody follows where a finger is, or nobody does any more. */
void np_devices_follow(np_devices *devices, uint32_t signal, bool followed);

/* A signal of a finger says something; and the fingers of a group, which are none then. */
np_fingers np_devices_take_fingers(np_devices *devices);
void np_devices_note_finger(np_devices *devices, uint32_t signal, uint32_t finger);

/* Empties the guards of all signals of a device; or of all devices. */
void np_devices_unguard(np_devices *devices, uint32_t device);
void np_devices_unguard_all(np_devices *devices);

/* Whether a value lies inside a guard. */
static inline bool np_guard_holds(const np_guard *guard, int32_t value)
{
    return (uint32_t)value - (uint32_t)guard->low <= guard->width;
}

/* The whole of what most reports need: true where the guard holds and all is done. */
bool np_devices_quick_value(np_devices *devices, uint32_t signal, int32_t value);

/* Reports that wait in a row: what one port says. */
typedef struct np_row {
    const nplug_report *at, *end;
    nplug_time processed; /* what is due is from here on, up to `until` */
    nplug_time until;
    uint64_t port; /* << 32 */
    bool over;     /* the group is, and fingers moved in it */
} np_row;

/* The way of most reports: takes groups of values as long as each is its device's and inside its
 * guard.  NULL: where the row ends, is not due, or its next group is no known device's; else the
 * node of which `at` says what somebody else must see, within a group. */
np_node *np_devices_take(np_devices *devices, np_row *row);

/* The signal of a device by its dense index (its nodes' signals in a row), or NP_NONE. */
uint32_t np_devices_signal(const np_devices *devices, uint32_t device, uint32_t index);
uint32_t np_devices_signal_count(const np_devices *devices, uint32_t device);

#include "core/device/recognise.h"

/* --- controls (controls.c, wiring.c) ------------------------------------------------------------
 */

/* Normalisation: signals become the controls of a device, by the wires of its sheet; and the one
 * rule by which a control is spent. */
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

void np_controls_layout(np_controls *controls, np_arena *arena, const nplug_limits *limits);

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

/* Whether that is a share of all from the low end, as nearly all places are; and the share. */
static inline bool np_wire_is_share(const np_wire *wire, int32_t raw)
{
    uint32_t above = (uint32_t)raw - (uint32_t)wire->low;

    return wire->how == NPLUG_READING_FROM_LOW && wire->rest <= wire->low &&
           above < (uint32_t)wire->high - (uint32_t)wire->low;
}
static inline float np_wire_share(const np_wire *wire, int32_t raw)
{
    return (float)((uint32_t)raw - (uint32_t)wire->low) /
           (float)((uint32_t)wire->high - (uint32_t)wire->low);
}

/* Whether a wire's value may go up and down again while its raw value rises. */
bool np_wire_jumps(const np_wire *wire);

/* What a control's value is now, though nothing may go by it. */
nplug_vec2 np_controls_value(const np_controls *controls, const np_devices *devices,
                             uint32_t control);

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

/* Brings a device of some kind up to what is muted, and to whether it is asleep: true where that is
 * new. */
bool np_controls_mute(np_controls *controls, uint32_t device, nplug_device_kind kind, bool asleep);

/* Deals a control to a part of its device. */
void np_controls_deal(np_controls *controls, uint32_t control, uint8_t part);

/* Spends a control that is not at rest: of what moves without ends, one in motion. */
void np_controls_spend(np_controls *controls, uint32_t control, bool in_motion);

/* Likewise all controls of a part of a device (or NP_ALL_PARTS). */
void np_controls_spend_part(np_controls *controls, uint32_t device, uint32_t part, bool in_motion);

/* All controls of a device have the values that it said last, whether anyone had to see them; what
 * moves without ends starts again from here. */
void np_controls_refresh(np_controls *controls, const np_devices *devices, uint32_t device);

/* Something that moves without ends is about to move: after a pause it is spent no more; what moves
 * while it is muted is spent. */
void np_controls_hear_delta(np_controls *controls, const np_devices *devices, uint32_t signal,
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

/* Where a control of a device is that is a position, as its signals say now; false: it has none. */
bool np_controls_place(const np_controls *controls, const np_devices *devices, uint32_t device,
                       nplug_control id, nplug_vec2 *place);

/* The place of a device's control by its number, or NP_NONE; and of the next one with that number,
 * in another part of the device. */
uint32_t np_controls_find(const np_controls *controls, uint32_t device, nplug_control id);
uint32_t np_controls_next(const np_controls *controls, uint32_t control);

/* The room as a whole is below; calibration and duplicates need more of it than one struct. */
typedef struct np_device_room np_device_room;

/* --- calibration (calibration.c) ----------------------------------------------------------------
 */

/* Gauges: calibration of single devices, sampled on a timer. */
#define NP_CALIBRATED_MOST 48

/* One axis that rests somewhere. */
typedef struct np_calibrated {
    uint32_t signal;
    int32_t rest, low, high; /* as the sheet and the hardware say */
    int32_t from, to;        /* between which it has been since it last moved, or since measuring */
    int32_t lay;             /* where it lay when it came, or where it is taken to rest for that */
    uint16_t device;
    uint8_t quiet;      /* samples since it last moved */
    uint8_t how;        /* an nplug_calibrate_mode: FOLLOW, MEASURE or FIX */
    uint8_t since_came; /* an np_since */
    bool used, found;
    bool turns; /* it is a turn rate: its rest is a sensor's, and no hand's */
} np_calibrated;

/* What an axis has done since it came. */
typedef enum np_since {
    NP_SINCE_MOVED = 0, /* somebody moved it, or it said nothing when it came */
    NP_SINCE_LYING,     /* it has lain where it was */
    NP_SINCE_RESTING    /* it lay far off for so long that it is taken to rest there */
} np_since;

typedef struct np_calibrations {
    np_calibrated list[NP_CALIBRATED_MOST];
    const nplug_calibration *known;
    uint32_t known_count;
    bool follow, ticking; /* devices that come are followed; the timer is set */
    uint32_t steady;      /* samples in a row in which nothing moved or was moved */
} np_calibrations;

/* Whether devices that come are followed. */
void np_calibrate_begin(np_calibrations *calibrations, bool follow);

/* By which a device's calibrations are kept. */
uint64_t np_calibrate_key(const np_device *device);

/* The axis of a device with that index, as it is now and as its sheet says; false: none.
 */
bool np_calibrate_look(const np_device_room *room, uint32_t device, uint32_t index,
                       nplug_calibration_facts *facts);

/* What is known of axes from before. */
void np_calibrate_know(np_calibrations *calibrations, const nplug_calibration *list,
                       uint32_t count);

/* A device's controls were made, or are about to go. */
void np_calibrate_build(np_device_room *room, uint32_t device, nplug_time time);
void np_calibrate_drop(np_device_room *room, uint32_t device);

/* A signal was found to rest at its other end. */
void np_calibrate_rests(np_device_room *room, uint32_t signal);

/* A command; and the timer: nothing is said before `silence` ends. */
void np_calibrate_take(np_device_room *room, const nplug_command *command, nplug_time time);
void np_calibrate_sample(np_device_room *room, nplug_time time, nplug_time silence);

/* --- duplicates (duplicates.c) ------------------------------------------------------------------
 */

/* Twins: two devices whose presses come together are one piece of hardware that is seen twice. */
#define NP_DUPLICATE_PRESSES 8
#define NP_DUPLICATE_PAIRS   8

typedef struct np_duplicate_press {
    nplug_time time;
    nplug_device device;
    nplug_control control;
} np_duplicate_press;

typedef struct np_duplicate_pair {
    uint64_t who;      /* both, the one that came first in the upper half; 0: a free place */
    uint32_t together; /* presses in a row that both made */
    bool said;
} np_duplicate_pair;

typedef struct np_duplicates {
    np_duplicate_press
        waits[NP_DUPLICATE_PRESSES]; /* for their like by another device, the oldest first */
    uint32_t waiting;
    uint32_t next_pair;
    np_duplicate_pair pairs[NP_DUPLICATE_PAIRS];
} np_duplicates;

/* Hears a press of a device's control. */
void np_duplicates_hear(np_device_room *room, nplug_device device, nplug_control control,
                        nplug_time time);
void np_duplicates_depart(np_device_room *room, nplug_device device);

/* The other one of a duplicate; 0 for none. */
nplug_device np_duplicates_of(const np_duplicates *duplicates, nplug_device device);

/* --- reconnection (reconnection.c) --------------------------------------------------------------
 */

/* Returns: which device that went is the one that comes. */
/* The place of the device that hardware is, or stands for: by serial number while nobody else here
 * (but `self`) has it, else by socket, which is the one that left it last; these may be one that
 * nobody misses.  Else where only one of its sort is missed, or the same players miss all of them,
 * or only one went a moment ago.  NP_NONE where nothing tells.  Of a node that is complete, one
 * that went a moment ago; of what has come, one that has gone. */
uint32_t np_reconnect_at_once(const np_devices *devices, uint32_t node);
uint32_t np_reconnect_as(const np_devices *devices, const np_who *who, uint32_t self);

/* --- notches (notches.c) ------------------------------------------------------------------------
 */

/* A mouse's wheel that turns by one notch is pressed that way, and let go at once. */

/* Whether a control is pressed by notches, and has no press of its own. */
bool np_notches_has(nplug_control control);

/* A wheel's wire said this: the whole notches by which it has turned, upwards or to the right where
 * they are positive, at most 16.  What is left counts on, until it turns back. */
int32_t np_notches_turn(np_controls *controls, uint32_t wire, int32_t value);

/* Which way a wire's notches press. */
uint16_t np_notches_way(const np_wire *wire, int32_t notches);

#include "core/device/contacts.h"

/* --- the room -------------------------------------------------------------------------------- */

struct np_device_room {
    np_controls controls;
    np_devices devices;
    np_recogniser recogniser;
    np_calibrations calibrations;
    np_duplicates duplicates;
    np_contacts contacts;
    np_out *out;
};

void np_device_layout(np_device_room *room, np_arena *arena, const nplug_limits *limits);

#endif
