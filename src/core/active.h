/* The active set: what each player used last. */
#ifndef NP_ACTIVE_H
#define NP_ACTIVE_H

#include "controls.h"
#include "nestplug/active.h"
#include "sources.h"

#define NP_FAMILY_SIZE 24

/* Of one player. */
typedef struct np_active {
    nplug_device device; /* used last */
    nplug_time since;    /* when its set became the active one */
    nplug_time used;     /* when the set was used last, as far as anyone needed to know */
    nplug_device rival;  /* moved while the active set was moved, too: it has to go on */
    nplug_time moved;    /* of a rival without ends, when it moved last */
    float stance;        /* where the active set was when the contest began */
    nplug_device pin;
    uint32_t ignored; /* bit by kind */
    uint16_t dwell;   /* in ms */
    bool only;
    bool quiet;       /* it was used just now: movements of others do not matter yet... */
    nplug_time until; /* ...before then */
    nplug_time noted; /* when all others were last looked at */
    char family[NP_FAMILY_SIZE];
} np_active;

/* How far a mouse has come since it last paused. */
typedef struct np_nudge {
    uint32_t device; /* its place + 1; 0: none */
    nplug_time last;
    int32_t way[2];
} np_nudge;
#define NP_NUDGES 4

/* Where a lever was parked. */
typedef struct np_parked {
    uint32_t control; /* its place + 1; 0: none */
    float value;
} np_parked;
#define NP_PARKED 16

typedef struct np_actives {
    np_active *of; /* by player */
    np_nudge nudges[NP_NUDGES];
    np_parked parked[NP_PARKED];
    uint32_t next_nudge, next_parked;
} np_actives;

void np_active_layout(np_actives *actives, np_carve *carve, const nplug_limits *limits);

/* Whether two devices are of one set. */
bool np_active_same_set(const nplug_nest *nest, uint32_t a, uint32_t b);

/* A player hears a device from now on, or no more: the active set is one that the player has. */
void np_active_begin(nplug_nest *nest, uint32_t player, uint32_t device, nplug_time time);
void np_active_end(nplug_nest *nest, uint32_t player, nplug_time time);

/* Hears a control that was moved, and a delta. */
void np_active_hear(nplug_nest *nest, const np_change *change, np_edge edge);
void np_active_slide(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time);

/* Narrows the values between which nobody need be called. */
void np_active_guard(const nplug_nest *nest, uint32_t control, unsigned component,
                     np_interval *interval);

/* The dwell is over. */
void np_active_decide(nplug_nest *nest, uint32_t player, nplug_time time);

/* Commands. */
void np_active_follow(nplug_nest *nest, const nplug_command *command, nplug_time time);
void np_active_take(nplug_nest *nest, const nplug_command *command, nplug_time time);

#endif
