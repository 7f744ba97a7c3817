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
    nplug_time used;     /* when it did, was pressed or began a movement, whichever was last */
    float stance;        /* how far its axes were from rest, all together, at the last look */
    nplug_device pin;
    uint32_t ignored; /* bit by kind */
    uint16_t dwell;   /* in ms */
    bool only;
    bool looked; /* it was looked at since it became the active one */
    bool moved;  /* at the last look it was not where it was at the one before */
    char family[NP_FAMILY_SIZE];
} np_active;

/* How far a mouse has come since it last paused, or was meant. */
typedef struct np_way {
    int32_t counts[2];
} np_way;

/* Where a lever was parked. */
typedef struct np_parked {
    uint32_t control; /* its place + 1; 0: none */
    float value;
} np_parked;
#define NP_PARKED 16

typedef struct np_actives {
    np_active *of; /* by player */
    np_way *ways;  /* by device */
    np_parked parked[NP_PARKED];
    uint32_t next_parked;
    uint32_t contests; /* movements that have to go on: a timer each */
    bool looking;      /* the timer of the next look is set */
} np_actives;

void np_active_layout(np_actives *actives, np_carve *carve, const nplug_limits *limits);

/* Whether two devices are of one set. */
bool np_active_same_set(const nplug_nest *nest, uint32_t a, uint32_t b);

/* A player hears a device from now on, or no more: the active set is one that the player has. */
void np_active_begin(nplug_nest *nest, uint32_t player, uint32_t device, nplug_time time);
void np_active_end(nplug_nest *nest, uint32_t player, nplug_time time);

/* Hears a control that was moved; and a delta, before it is noted that its device slides. */
void np_active_hear(nplug_nest *nest, const np_change *change, np_edge edge);
void np_active_slide(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time);

/* Narrows the values between which nobody need be called; false: somebody always must. */
bool np_active_guard(const nplug_nest *nest, uint32_t control, np_interval *interval);

/* Whatever of a device was moved is moved no more: it came to rest, or goes. */
void np_active_stop(nplug_nest *nest, uint32_t device);

/* The dwell of a movement is over. */
void np_active_decide(nplug_nest *nest, uint32_t player, uint32_t device, nplug_time time);

/* Looks at what is being moved; no port says anything before `silence` ends. */
void np_active_look(nplug_nest *nest, nplug_time time, nplug_time silence);

/* Commands. */
void np_active_follow(nplug_nest *nest, const nplug_command *command, nplug_time time);
void np_active_take(nplug_nest *nest, const nplug_command *command, nplug_time time);

#endif
