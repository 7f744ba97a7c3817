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
    np_ramp *ramps;  /* by player, then ramp */
    uint8_t *order;  /* by player, then binding: when it left its rest (latest.c); 0: it rests */
    uint32_t *dirty; /* player << 16 | action, whose value is to be found again */
    uint32_t dirty_count, moving_count; /* at the list's head; of motions, at its end */
    uint32_t ramp_limit, binding_limit, pairs;
    bool latest;         /* of some that are dirty, the latest binding counts */
    nplug_time last;     /* when values were found last */
    nplug_time advanced; /* up to here is moved what moves by itself */
} np_values;

/* A motion that moves or may, by its place. */
static inline uint32_t np_values_moving(const np_values *values, uint32_t place)
{
    return values->dirty[values->pairs - 1 - place];
}

void np_values_layout(np_values *values, np_carve *carve, const nplug_limits *limits);

/* An action's value is to be found again for a player. */
void np_values_mark(nplug_nest *nest, uint32_t player, uint32_t action);

/* Actions of a control, for all who hear it; one that was moved gives their values from now on. */
void np_values_mark_control(nplug_nest *nest, uint32_t control, bool moved);

/* All actions that a device may drive: whoever hears it is about to change. */
void np_values_mark_device(nplug_nest *nest, uint32_t device);

/* A device is about to go: what its levers gave stays, and what the game wants to. */
void np_values_keep_device(nplug_nest *nest, uint32_t device);

/* What an action has kept of a device that went is kept no more. */
void np_values_drop(nplug_nest *nest, uint32_t player, uint32_t action);

/* A source of a binding with a ramp has gone down or up: what it came to so far is kept. */
void np_values_turn_ramp(nplug_nest *nest, uint32_t player, uint32_t binding, uint32_t source,
                         nplug_time time);

/* What a binding comes to for a player: of a motion its speed; what moves without ends as its mean
 * speed over `span` microseconds (0: not at all). */
nplug_vec2 np_values_of_binding(nplug_nest *nest, uint32_t player, uint32_t number, nplug_time time,
                                nplug_time span);

/* Says what an action has come to. */
void np_values_say(nplug_nest *nest, uint32_t player, uint32_t action, nplug_vec2 value,
                   nplug_time time);

/* Brings all controls up to date, and finds all values but motions that are to be found: at the end
 * of a step, and before a device goes or is another one's to hear. */
void np_values_settle(nplug_nest *nest, nplug_time time);

#endif
