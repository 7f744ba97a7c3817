/* Twins: two devices whose presses come together are one piece of hardware that is seen twice. */
#ifndef NP_TWINS_H
#define NP_TWINS_H

#include "devices.h"

struct nplug_nest;

#define NP_TWIN_PRESSES 8
#define NP_TWIN_PAIRS   8

typedef struct np_twin_press {
    nplug_time time;
    nplug_device device;
    nplug_control control;
} np_twin_press;

typedef struct np_twin_pair {
    uint64_t who;      /* both, the one that came first in the upper half; 0: a free place */
    uint32_t together; /* presses in a row that both made */
    bool said;
} np_twin_pair;

typedef struct np_twins {
    np_twin_press waits[NP_TWIN_PRESSES]; /* for their like by another device, the oldest first */
    uint32_t waiting;
    uint32_t next_pair;
    np_twin_pair pairs[NP_TWIN_PAIRS];
} np_twins;

/* Hears a press of a device's control. */
void np_twins_hear(struct nplug_nest *nest, nplug_device device, nplug_control control,
                   nplug_time time);
void np_twins_depart(struct nplug_nest *nest, nplug_device device);

/* The twin of a device; 0 for none. */
nplug_device np_twins_of(const np_twins *twins, nplug_device device);

#endif
