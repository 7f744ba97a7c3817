/* Actions: what each player's actions came to. */
#ifndef NP_ACTIONS_H
#define NP_ACTIONS_H

#include "sources.h"

typedef struct np_action {
    uint64_t presses, releases; /* since the start */
    nplug_time press_time, release_time;
    uint64_t step; /* in which the two below were counted */
    uint32_t presses_in, releases_in;
    nplug_vec2 value;
    uint16_t held; /* how many armed bindings hold it */
    uint8_t dirty; /* its value is to be found again */
} np_action;

/* A button on its way as a level: from where and when; whether up or down is what its source says.
 */
typedef struct np_ramp {
    nplug_time since;
    float from;
} np_ramp;

typedef struct np_actions {
    np_action *list; /* by player (0 first), then action */
    uint8_t *armed;  /* by player, then binding: it saw the press while its layer was on */
    np_ramp *ramps;  /* by player, then ramp, then source of its binding (4) */
    uint32_t ramp_limit;
    uint32_t *layers; /* by player: bit by layer */
    uint32_t *dirty;  /* places in `list` */
    uint32_t dirty_count, action_limit, binding_limit;
} np_actions;

void np_actions_layout(np_actions *actions, np_carve *carve, const nplug_limits *limits);

/* The edge lane: a binding's gesture was made, or is over. */
void np_actions_press(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change);
void np_actions_release(nplug_nest *nest, uint32_t player, uint32_t binding,
                        const np_change *change);

/* A source of a binding with a ramp is about to go down or up: what it came to so far is kept. */
void np_actions_turn_ramp(nplug_nest *nest, uint32_t player, uint32_t binding, uint32_t source,
                          nplug_time time);

/* Whether a binding's layer is on for a player. */
bool np_actions_allow(const nplug_nest *nest, uint32_t player, uint32_t binding);

/* Switches a layer; player 0 is all. */
void np_actions_layer(nplug_nest *nest, const nplug_command *command, nplug_time time);

/* The value lane: actions of controls that moved, for all who hear them. */
void np_actions_mark(nplug_nest *nest, uint32_t control);
/* All actions that a device may drive: whoever hears it is about to change. */
void np_actions_mark_device(nplug_nest *nest, uint32_t device);
void np_actions_settle(nplug_nest *nest, nplug_time time);

static inline np_action *np_action_of(const np_actions *actions, uint32_t player, uint32_t action)
{
    return &actions->list[(size_t)player * actions->action_limit + action];
}

#endif
