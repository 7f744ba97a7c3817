/* Comfort: what a player wants otherwise than the game does, for each action and for all. */
#ifndef NP_COMFORT_H
#define NP_COMFORT_H

#include "bindings.h"
#include "commands.h"

enum {
    NP_COMFORT_TOGGLE = 1, /* a press holds it, the next one lets go */
    NP_COMFORT_STICKY =
        2, /* what is to be held for a chord stays held after a tap; for all actions */
    NP_COMFORT_SWAP_STICKS = 4,  /* the left stick is the right one; for all actions */
    NP_COMFORT_SWAP_CONFIRM = 8, /* what confirms cancels; for all actions */
    NP_COMFORT_SWAPS = 12
};

/* Of one player and action. */
typedef struct np_comfort {
    uint16_t lasts;   /* a press must last so long (ms) */
    uint16_t again;   /* and not come sooner after the last one (ms) */
    uint16_t shaping; /* of the action's value; NP_NO_INDEX: none */
    uint8_t flags;
} np_comfort;

/* Of one player, for all actions. */
typedef struct np_ease {
    float waits;  /* all waiting times are so many times as long */
    float rumble; /* as strong */
    np_comfort every;
    bool used; /* something was ever set, for some action or for all */
} np_ease;

typedef struct np_comforts {
    np_comfort *list; /* by player, then action */
    np_ease *ease;    /* by player */
    uint32_t action_limit;
} np_comforts;

void np_comfort_layout(np_comforts *comforts, np_carve *carve, const nplug_limits *limits);

/* Whether a player has any comfort at all. */
static inline bool np_comfort_is_used(const np_comforts *comforts, uint32_t player)
{
    return comforts->ease[player].used;
}

/* A waiting time as a player has it. */
uint32_t np_comfort_wait(const nplug_nest *nest, uint32_t player, uint32_t wait);

/* What holds for an action of a player: its own, or else that of all. */
uint32_t np_comfort_lasts(const nplug_nest *nest, uint32_t player, uint32_t action);
uint32_t np_comfort_again(const nplug_nest *nest, uint32_t player, uint32_t action);
bool np_comfort_has(const nplug_nest *nest, uint32_t player, uint32_t action, uint8_t flag);
const np_shaping *np_comfort_shaping(const nplug_nest *nest, uint32_t player, uint32_t action);

/* How strongly a device may rumble: as whoever hears it wants it least. */
float np_comfort_rumble(const nplug_nest *nest, uint32_t device);

/* Two players have each other's. */
void np_comfort_swap(np_comforts *comforts, uint32_t actions, uint32_t a, uint32_t b);

/* Command: the text that came before is a player's comfort for an action. */
void np_comfort_take(nplug_nest *nest, const nplug_command *command, nplug_time time);

#endif
