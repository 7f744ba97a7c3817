/* Actions: how often each player's actions were pressed, and what they came to. */
#ifndef NP_ACTIONS_H
#define NP_ACTIONS_H

#include "gestures.h"

typedef struct np_action {
    uint64_t presses; /* since the start; of releases there are as many, but for one that is held */
    nplug_time press_time, release_time;
    nplug_vec2 value;
    uint32_t step; /* in which the two below were counted */
    uint16_t presses_in, releases_in;
    uint16_t held; /* how many bindings hold it */
    uint8_t dirty; /* its value is to be found again */
    uint8_t used;  /* the last press was used up */
    uint8_t kept;  /* what gave its value has gone, and it stays until something else gives one */
    uint8_t moved; /* of a motion: it was moved in the last step */
} np_action;

typedef struct np_actions {
    np_action *list; /* by player (0 first), then action */
    uint32_t action_limit;
} np_actions;

void np_actions_layout(np_actions *actions, np_carve *carve, const nplug_limits *limits);

/* A binding begins to hold an action. */
void np_actions_press(nplug_nest *nest, uint32_t player, uint32_t action, const np_change *change);

/* A binding that held it does so no longer. */
void np_actions_release(nplug_nest *nest, uint32_t player, uint32_t action,
                        const np_change *change);

/* The value lane: another value; and that it is to be found again, or is found. */
void np_actions_set(np_action *state, nplug_vec2 value);
void np_actions_begin_motion(np_action *state);
void np_actions_move(np_action *state, nplug_vec2 way);
void np_actions_set_dirty(np_action *state, bool dirty);
void np_actions_keep(np_action *state, bool kept);

/* The last press was used up. */
void np_actions_use(np_action *state);

static inline np_action *np_action_of(const np_actions *actions, uint32_t player, uint32_t action)
{
    return &actions->list[(size_t)player * actions->action_limit + action];
}

/* How often it was let go. */
static inline uint64_t np_action_releases(const np_action *action)
{
    return action->presses - (action->held != 0);
}

#endif
