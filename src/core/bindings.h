/* The game, compiled: its actions, their bindings, and the sources that bindings name. */
#ifndef NP_BINDINGS_H
#define NP_BINDINGS_H

#include "memory.h"
#include "nestplug/action.h"
#include "nestplug/nest.h"
#include "nestplug/player.h"
#include "shaping.h"

#define NP_NO_INDEX       0xffffu
#define NP_SOURCE_BUCKETS 64

/* How a binding puts its sources together. */
typedef enum np_shape {
    NP_SHAPE_ONE = 0,  /* one control */
    NP_SHAPE_PAIR = 1, /* two: low, high */
    NP_SHAPE_CROSS = 2 /* four: up, down, left, right */
} np_shape;

typedef struct np_source {
    float press, release; /* a press is from here up, until it falls below there */
    nplug_control control;
    uint16_t next;      /* in its bucket */
    uint16_t first_use; /* of the bindings on it */
} np_source;

/* That a binding is on a source. */
typedef struct np_use {
    uint16_t binding;
    uint16_t next; /* of the same source */
} np_use;

typedef struct np_binding {
    nplug_time hold; /* 0: a press; else it must last so long */
    uint16_t action;
    uint16_t source[4];
    uint16_t shaping; /* NP_NO_INDEX: none */
    uint16_t ramp;    /* NP_NO_INDEX: none */
    uint8_t source_count;
    uint8_t shape; /* an np_shape */
} np_binding;

typedef struct np_game {
    bool used;
    nplug_game def;
    uint64_t digest;
    uint16_t *first_binding; /* by action; its bindings stand in a row up to the next one's */
    np_binding *bindings;
    np_source *sources;
    np_use *uses;
    np_shaping *shapings;
    uint32_t binding_count, source_count, use_count, shaping_count, ramp_count;
    uint32_t action_limit, binding_limit, source_limit, shaping_limit, ramp_limit;
    uint16_t bucket[NP_SOURCE_BUCKETS];
} np_game;

void np_game_layout(np_game *game, np_carve *carve, const nplug_limits *limits);

/* An action of the game, whatever the size that its program knows. */
static inline const nplug_action_def *np_game_action(const np_game *game, uint32_t action)
{
    const char *first = (const char *)game->def.actions;
    return (const nplug_action_def *)(const void *)(first + (size_t)action * game->def.action_size);
}

/* The first source of a control, or NP_NO_INDEX; and the next one of the same control, with other
 * thresholds. */
uint32_t np_game_source(const np_game *game, nplug_control control);
uint32_t np_game_same_control(const np_game *game, uint32_t source);

/* What shapes a binding; NULL where nothing does. */
static inline const np_shaping *np_game_shaping(const np_game *game, const np_binding *binding)
{
    return binding->shaping == NP_NO_INDEX ? NULL : &game->shapings[binding->shaping];
}

#endif
