/* Events: the same step as the queries tell, in the order in which it happened. */
#ifndef NESTPLUG_EVENT_H
#define NESTPLUG_EVENT_H

#include "control.h"

#ifdef __cplusplus
extern "C" {
#endif

/* What happened. */
typedef enum nplug_event_kind {
    NPLUG_EVENT_NONE = 0,
    NPLUG_EVENT_ARRIVAL = 1,    /* device: it is complete and recognised as well as can be */
    NPLUG_EVENT_DEPARTURE = 2,  /* device: gone; all that it held was let go of before this */
    NPLUG_EVENT_CHANGE = 3,     /* device: another node of the same hardware joined it */
    NPLUG_EVENT_JOIN = 4,       /* player took a seat, by device and control where it was a press */
    NPLUG_EVENT_LEAVE = 5,      /* player gave up the seat */
    NPLUG_EVENT_CLAIM = 6,      /* player hears device, or a part of it, from now on */
    NPLUG_EVENT_UNCLAIM = 7,    /* player no longer hears device, or a part of it */
    NPLUG_EVENT_PRESS = 8,      /* action of player, by device and control */
    NPLUG_EVENT_RELEASE = 9,    /* the other edge; NPLUG_EVENT_FLAG_CANCELLED if no person let go */
    NPLUG_EVENT_VALUE = 10,     /* a level or a vector has another value, at the end of the step or
                                   before a device goes or changes hands; a motion was moved in the
                                   step, or was in the last one and was not in this */
    NPLUG_EVENT_RESYNCED = 11,  /* device: reports had been dropped; its state is right again */
    NPLUG_EVENT_CLOCKS = 12,    /* the reports of a port are over a second ahead */
    NPLUG_EVENT_LIMIT = 13,     /* a limit was reached */
    NPLUG_EVENT_DUPLICATE = 14, /* device moves together with another one (its handle is in count):
                              the same pad seen twice, once by another program; nplug_ignore one */
    NPLUG_EVENT_BOUND = 15,     /* player has other bindings for action */
    NPLUG_EVENT_PICK = 16,      /* a pick of player ended: a way of a control of device; or
                                   NPLUG_EVENT_FLAG_CANCELLED, or
                                   NPLUG_EVENT_FLAG_LATE: it lasted too long */
    NPLUG_EVENT_WAIT = 17, /* player waits for device, which went; a claim ends that, or leaving */
    NPLUG_EVENT_WOBBLE = 18, /* device was gone for a moment, and is back */
    NPLUG_EVENT_SWAP =
        19, /* player and another player have changed seats, with all that they bound */
    NPLUG_EVENT_ACTIVE = 20, /* player's active set is the one that device belongs to */
    NPLUG_EVENT_BATTERY =
        21, /* device's battery is at another percentage, or charges or no longer does */
    NPLUG_EVENT_FULL = 22, /* a press of control of device would have taken a seat: none is free */
    NPLUG_EVENT_CONTACT = 23, /* a contact of device began, at value: see touch.h */
    NPLUG_EVENT_LIFT = 24,    /* it ended there; NPLUG_EVENT_FLAG_CANCELLED if no person lifted
                                        it */
    NPLUG_EVENT_ASLEEP = 25,  /* device is connected and silent; all that it held was let go of */
    NPLUG_EVENT_AWAKE = 26,   /* device is heard again; a control that is down does not fire */
} nplug_event_kind;

/* Flags of an event. */
enum {
    NPLUG_EVENT_FLAG_CANCELLED = 1, /* let go by a departure, an unclaim or a layer, not by a
                                       person */
    NPLUG_EVENT_FLAG_RETURNED = 2,  /* of a claim: the device came back to who had it */
    NPLUG_EVENT_FLAG_LATE = 4, /* of a pick: nothing was picked in time; of leaving: it was waited
                             for too long, or until its place (nplug_limits) had to be given away */
    NPLUG_EVENT_FLAG_TAKEN_OVER =
        8, /* of a claim: it stands in for the device that player waited for */
    NPLUG_EVENT_FLAG_SAME_PROMPTS =
        16,                   /* of an active set: the prompts that the player sees stay the same */
    NPLUG_EVENT_FLAG_LOW = 32 /* of a battery: it will not last long */
};

/* The limits that may be reached. */
typedef enum nplug_limit {
    NPLUG_LIMIT_DEVICES = 0,
    NPLUG_LIMIT_NODES = 1,
    NPLUG_LIMIT_SIGNALS = 2,
    NPLUG_LIMIT_CONTROLS = 3,
    NPLUG_LIMIT_LINKS = 4,
    NPLUG_LIMIT_EVENTS = 5,
    NPLUG_LIMIT_TIMERS = 6,
    NPLUG_LIMIT_COMMANDS = 7,
    NPLUG_LIMIT_RECORDS = 8,
    NPLUG_LIMIT_BINDINGS = 9, /* or sources, gestures, ramps, shapings, text: the log says which */
    NPLUG_LIMIT_ZONES = 10,
    NPLUG_LIMIT_CONTACTS = 11,
    NPLUG_LIMIT_EFFECTS = 12 /* rumbles that play or wait: 16 of all devices together */
} nplug_limit;

/* One event: 64 bytes on every target.  Members that its kind does not name are 0. */
typedef struct nplug_event {
    nplug_time time; /* of the report that made it; of a value, the time at which it was found */
    uint64_t press_count; /* PRESS, RELEASE: the how-manieth of this action and player; CONTACT,
                             LIFT: the contact's id */
    uint32_t kind;        /* an nplug_event_kind */
    nplug_device device;
    nplug_player player; /* NPLUG_NOBODY; BOUND and PICK also NPLUG_EVERYONE */
    uint32_t action;
    nplug_vec2 value;          /* of an action; CONTACT, LIFT: [0, 1] from the surface's top left */
    nplug_control control;     /* CONTACT, LIFT: touch:contact-N */
    uint16_t flags;            /* NPLUG_EVENT_FLAG_... */
    nplug_device other_device; /* DUPLICATE: the device that it moves together with */
    nplug_player other_player; /* SWAP: with whom */
    uint8_t part;              /* CLAIM, UNCLAIM: of a keyboard, from 1; 0: all of the device */
    uint8_t port;              /* CLOCKS: by the order in which ports were attached, from 0 */
    uint8_t limit;             /* LIMIT: an nplug_limit */
    uint8_t way;               /* PICK: an nplug_way */
    uint32_t battery_percent;  /* BATTERY */
    uint32_t left_out;         /* LIMIT, of events: how many of the step were left out */
} nplug_event;

/* How many events the last step left.  They live until the next step. */
NPLUG_API uint32_t nplug_event_count(const nplug_nest *nest);

/* An event by index, from 0, in the order in which they happened; NULL past the end. */
NPLUG_API const nplug_event *nplug_event_at(const nplug_nest *nest, uint32_t index);

/* A function that hears an event; `user` is the caller's own. */
typedef void (*nplug_on_event)(void *user, nplug_nest *nest, const nplug_event *event);

/* One line of a table for nplug_dispatch: events of this kind, of this action (or of any) go there.
 */
typedef struct nplug_handler {
    uint32_t kind;   /* an nplug_event_kind */
    uint32_t action; /* NPLUG_EVERY_ACTION: any, and for kinds that are about no action */
    nplug_on_event hear;
} nplug_handler;

/* Callbacks, for those who like them: hands each event of the last step, in order, to every line of
 * the table that wants it.  They are called from within this call and nowhere else, and may call
 * anything but nplug_step and nplug_close.  Returns how many calls were made. */
NPLUG_API uint32_t nplug_dispatch(nplug_nest *nest, const nplug_handler *handlers, uint32_t count,
                                  void *user);

/* The word for an event's kind ("arrival", "press", ...): static, never NULL. */
NPLUG_API const char *nplug_event_name(uint32_t kind);

/* The word for a limit, as it is called in nplug_limits ("devices"): static, never NULL. */
NPLUG_API const char *nplug_limit_name(uint32_t limit);

#ifdef __cplusplus
}
#endif
#endif
