/* Who is here: nodes (what ports announce), the devices that they make up, and raw signals. */
#ifndef NP_DEVICES_H
#define NP_DEVICES_H

#include "memory.h"
#include "nestplug/device.h"
#include "nestplug/event.h"
#include "nestplug/nest.h"

#define NP_NONE   UINT32_MAX
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
    NP_SIGNAL_BOUNCES = 32   /* it has a bouncer */
};

/* What a signal has that has just come, and what one loses that moves. */
#define NP_SIGNAL_NEW     (NP_SIGNAL_UNGUARDED | NP_SIGNAL_UNMOVED)
#define NP_SIGNAL_UNMOVED (NP_SIGNAL_CLEAN | NP_SIGNAL_SILENT | NP_SIGNAL_UNSEEN)

/* Raw values inside which the edge lane need not run: from `low`, that many more. */
typedef struct np_guard {
    int32_t low;
    uint32_t width;
} np_guard;

/* Where an axis rests that its sheet has at one end. */
typedef enum np_rests { NP_RESTS_UNASKED = 0, NP_RESTS_THERE, NP_RESTS_OTHERWISE } np_rests;

/* What no report needs of a signal but one that somebody must see. */
typedef struct np_signal {
    uint32_t code;
    int32_t min, max;
    int32_t flat, fuzz, resolution; /* 0 where the hardware does not say */
    uint16_t node;
    uint8_t space;
    uint8_t nature;
    uint8_t rests; /* an np_rests; whatever else comes to its device or goes */
} np_signal;

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
    uint64_t text_hash[NPLUG_TEXTS];
    char name[NPLUG_NAME_SIZE];
    uint16_t bus, vendor, product, version;
    uint8_t times;
    uint8_t unreadable;
    uint8_t stale; /* 1: its port is to be asked for a resync; 2: it was */
    uint8_t resyncing;
    uint8_t looks; /* an nplug_kind: what it is by itself */
    uint32_t properties;
} np_node;

/* By what hardware is known again: hashes of its texts, 0 where it says none, and its numbers. */
typedef struct np_who {
    uint32_t serial, socket, sort;
    uint8_t looks; /* an nplug_kind */
} np_who;

/* A battery that is as low as this (percent) will not last long. */
#define NP_BATTERY_LOW 15

typedef struct np_device {
    np_presence presence;
    uint32_t generation;
    uint32_t first_node;
    uint64_t gone_order; /* of those that have gone, the lowest place is given away first */
    uint64_t identity;   /* by which its calibrations are kept; 0 where nothing tells */
    nplug_time slid;     /* when something of it moved last that moves without ends */
    np_who who;
    char name[NPLUG_NAME_SIZE]; /* kept after it has gone */
    uint16_t bus, vendor, product, version;
    nplug_times times;
    bool unreadable;
    bool missed; /* it has gone, and somebody waits for it */
    bool charging;
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
    np_span signal_span;
    struct {
        np_node *node;
        uint64_t who;    /* port << 32 | the port's number, NP_NOBODY where nothing is known */
    } recent[NP_RECENT]; /* those that were found last, by the low bits of their numbers */
    np_bouncer bouncers[NP_BOUNCERS];
} np_devices;

void np_devices_layout(np_devices *devices, np_carve *carve, const nplug_limits *limits);

/* The place of a node by its key, or NP_NONE. */
uint32_t np_devices_node(np_devices *devices, uint32_t key);

/* Arrival, piece by piece.  begin: NPLUG_LIMIT_NODES or _SIGNALS where there is no room, -1 where
 * all is well.  describe: false where the piece does not belong.  ready: the device that the node
 * now belongs to (*merged: one that was here before), NP_NONE where there is no room. */
int np_devices_begin(np_devices *devices, uint32_t key, const nplug_report *report);
bool np_devices_describe(np_devices *devices, uint32_t node, const nplug_report *report);
/* A node is complete, and looks like that. */
void np_devices_complete(np_devices *devices, uint32_t node, nplug_kind looks);
/* The device that a node is a part of, or NP_NONE. */
uint32_t np_devices_find_unit(const np_devices *devices, uint32_t node);
/* The node that makes a device what it is: what can be a device before touch surfaces, those before
 * motion sensors and these before what looks like nothing; of several the first. */
uint32_t np_devices_chief(const np_devices *devices, uint32_t device);
/* The first of a device's nodes that looks like that, or NP_NONE. */
uint32_t np_devices_node_like(const np_devices *devices, uint32_t device, nplug_kind looks);
/* Whether one and the same thing may look like both: what could each be a device never is. */
bool np_looks_go_together(nplug_kind a, nplug_kind b);
uint32_t np_devices_make(np_devices *devices, uint32_t node);
void np_devices_add_node(np_devices *devices, uint32_t device, uint32_t node);
/* It is called and numbered as its chief node is. */
void np_devices_call(np_devices *devices, uint32_t device);

np_who np_devices_who(const np_node *node);

/* What a battery report says; whether it is news. */
bool np_devices_charge(np_devices *devices, uint32_t device, const nplug_report *report);

/* Somebody waits for a device that has gone, or nobody does any more: its place is given away after
 * all others. */
void np_devices_miss(np_devices *devices, uint32_t device, bool missed);

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
void np_devices_slide(np_devices *devices, uint32_t device, nplug_time time);
static inline bool np_devices_slides(const np_devices *devices, uint32_t device, nplug_time time)
{
    nplug_time slid = devices->list[device].slid;
    return slid && time - slid < NP_PAUSE;
}

/* Sets a signal's guard; `any` false empties it. */
void np_devices_guard(np_devices *devices, uint32_t signal, bool any, int32_t low, int32_t high);

/* Whether a value lies inside a guard. */
static inline bool np_guard_holds(const np_guard *guard, int32_t value)
{
    return (uint32_t)value - (uint32_t)guard->low <= guard->width;
}

/* The whole of what most reports need: true where the guard holds and all is done. */
static inline bool np_devices_quick_value(np_devices *devices, uint32_t index, int32_t value)
{
    if (!np_guard_holds(&devices->guards[index], value)) return false;
    if (devices->flags[index] && !np_devices_moved(devices, index)) return false;
    devices->raw[index] = value;
    return true;
}

/* Reports that wait in a row: what one port says. */
typedef struct np_row {
    const nplug_report *at, *end;
    nplug_time processed; /* what is due is from here on, up to `until` */
    nplug_time until;
    uint64_t port; /* << 32 */
} np_row;

/* The way of most reports: takes groups of values as long as each is its device's and inside its
 * guard.  NULL: where the row ends, is not due, or its next group is no known device's; else the
 * node of which `at` says what somebody else must see, within a group. */
np_node *np_devices_take(np_devices *devices, np_row *row);

/* The signal of a device by its dense index (its nodes' signals in a row), or NP_NONE. */
uint32_t np_devices_signal(const np_devices *devices, uint32_t device, uint32_t index);
uint32_t np_devices_signal_count(const np_devices *devices, uint32_t device);

#endif
