/* Picking: a player chooses a control by using it. */
#ifndef NP_PICK_H
#define NP_PICK_H

#include "controls.h"
#include "nestplug/bind.h"
#include "nestplug/trace.h"
#include "sources.h"

typedef struct np_pick {
    bool waits, takes;
    nplug_player player;
    uint32_t kinds; /* bit by kind; 0: any */
    nplug_time until;
    nplug_control cancel;
    float threshold;
    uint8_t
        *held; /* bit by control: it was away from its rest, and does not count until it is back */
    nplug_pick_state state;
} np_pick;

void np_pick_layout(np_pick *pick, np_carve *carve, const nplug_limits *limits);

/* Hears a change of a control while it waits. */
void np_pick_hear(nplug_nest *nest, const np_change *change);

/* Whether a pick is under way that takes a control from the game. */
bool np_pick_takes(const nplug_nest *nest, const np_control *control);

/* A signal without ends is about to move: nobody hears it where a pick takes its control. */
void np_pick_slide(nplug_nest *nest, uint32_t signal);

/* Hears a notch of a wheel; whether the pick takes it from the game. */
bool np_pick_notch(nplug_nest *nest, const np_change *change, uint16_t way);

/* Command: begins. */
void np_pick_take(nplug_nest *nest, const nplug_command *command, nplug_time time);

/* Ends without a control: flags of the event that says so. */
void np_pick_stop(nplug_nest *nest, uint16_t flags, nplug_time time);

#endif
