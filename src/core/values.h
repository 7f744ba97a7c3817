/* The value lane: what the bindings of each action come to, once at the end of a step. */
#ifndef NP_VALUES_H
#define NP_VALUES_H

#include "actions.h"

/* A button on its way as a level: from where and when; whether up or down is what its source says.
 */
typedef struct np_ramp {
    nplug_time since;
    float from;
} np_ramp;

typedef struct np_values {
    np_ramp *ramps;   /* by player, then ramp */
    uint8_t *away;    /* by player, then binding: it is not at rest */
    uint16_t *latest; /* by player, then action: the binding that left its rest last */
    uint32_t *dirty;  /* player << 16 | action, whose value is to be found again */
    uint32_t dirty_count, ramp_limit, binding_limit, action_limit;
    nplug_time last; /* when values were found last */
} np_values;

void np_values_layout(np_values *values, np_carve *carve, const nplug_limits *limits);

/* An action's value is to be found again for a player. */
void np_values_mark(nplug_nest *nest, uint32_t player, uint32_t action);

/* Actions of a control, for all who hear it; one that was moved gives their values from now on. */
void np_values_mark_control(nplug_nest *nest, uint32_t control, bool moved);

/* All actions that a device may drive: whoever hears it is about to change. */
void np_values_mark_device(nplug_nest *nest, uint32_t device);

/* A device is about to go: what its levers gave stays, and what the game wants to. */
void np_values_keep_device(nplug_nest *nest, uint32_t device);

/* A source of a binding with a ramp has gone down or up: what it came to so far is kept. */
void np_values_turn_ramp(nplug_nest *nest, uint32_t player, uint32_t binding, uint32_t source,
                         nplug_time time);

/* A binding of an action whose latest one counts was pressed. */
void np_values_note_press(nplug_nest *nest, uint32_t player, uint32_t binding);

/* Finds all values that are to be found, at the end of a step. */
void np_values_settle(nplug_nest *nest, nplug_time time);

#endif
