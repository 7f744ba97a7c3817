/* One queue of timers, earliest first. */
#ifndef NP_TIMERS_H
#define NP_TIMERS_H

#include "memory.h"
#include "nestplug/base.h"

/* Who set a timer, and so who hears it. */
typedef enum np_timer_kind {
    NP_TIMER_HOLD = 1,    /* gestures: a press has lasted; a = player, b = binding */
    NP_TIMER_BOUNCE = 2,  /* devices: a button has bounced; b = signal */
    NP_TIMER_GAUGE = 3,   /* gauges: the next sample */
    NP_TIMER_TAP = 4,     /* gestures: no further tap came; a = player, b = source */
    NP_TIMER_PICK = 5,    /* pick: nothing was picked in time */
    NP_TIMER_WOBBLE = 6,  /* devices: it did not come back; b = device */
    NP_TIMER_WAIT = 7,    /* players: nobody waits any longer; b = device */
    NP_TIMER_CONTEST = 8, /* active: whether a movement has won; a = player, b = device */
    NP_TIMER_LOOK = 9     /* active: what is being moved */
} np_timer_kind;

typedef struct np_timer {
    nplug_time due;
    uint32_t order; /* of two that fall due together, looks come last, and else what was set last */
    uint16_t kind, a;
    uint32_t b;
} np_timer;

typedef struct np_timers {
    np_timer *heap;
    uint32_t size, count, order;
} np_timers;

void np_timers_layout(np_timers *timers, np_carve *carve, uint32_t size);

/* Sets a timer; false where there is no room. */
bool np_timers_set(np_timers *timers, nplug_time due, np_timer_kind kind, uint32_t a, uint32_t b);

/* Takes a timer out before it fell due; false where it is not there. */
bool np_timers_cancel(np_timers *timers, np_timer_kind kind, uint32_t a, uint32_t b);

/* Whether a timer is set. */
bool np_timers_waits(const np_timers *timers, np_timer_kind kind, uint32_t a, uint32_t b);

/* The time of the earliest timer; UINT64_MAX where there is none. */
nplug_time np_timers_next(const np_timers *timers);

/* Takes the earliest timer out. */
np_timer np_timers_take(np_timers *timers);

#endif
