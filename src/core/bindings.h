/* The game, compiled: its actions and layers, their bindings, and the sources that bindings name.
 */
#ifndef NP_BINDINGS_H
#define NP_BINDINGS_H

#include "memory.h"
#include "nestplug/bind.h"
#include "nestplug/control.h"
#include "nestplug/nest.h"
#include "nestplug/player.h"
#include "shaping.h"

#define NP_NO_INDEX       0xffffu
#define NP_SOURCE_BUCKETS 64
#define NP_LAYERS         32
#define NP_FILTERS        16
#define NP_CHORD          4 /* controls of a chord at most, the one that drives included */
#define NP_EVERYBODY      0xffffffffu
#define NP_OF_GAME        0x80000000u /* of a binding's players: it is the game's */

/* How a binding puts its sources together. */
typedef enum np_shape {
    NP_SHAPE_ONE = 0,  /* one control */
    NP_SHAPE_PAIR = 1, /* two: low, high */
    NP_SHAPE_CROSS = 2 /* four: up, down, left, right */
} np_shape;

/* Which devices a source may be of: 0 and "" where it does not matter. */
typedef struct np_filter {
    nplug_kind kind;
    char family[24], sheet[24];
    uint8_t confirm; /* 0, or which of south and east confirms on them: an NPLUG_PAD number */
} np_filter;

typedef struct np_source {
    float press, release;  /* a press is from here up, until it falls below there */
    nplug_control control; /* 0: a free place */
    uint16_t next;         /* in its bucket */
    uint16_t first_use;    /* of the bindings on it */
    uint16_t gesture;      /* its machine's place among those that tell taps; NP_NO_INDEX: none */
    uint8_t way;           /* an nplug_way */
    uint8_t filter;        /* place of an np_filter; 0: any device */
    uint16_t modifies;     /* of how many bindings it is a part that is held */
    uint16_t gives;        /* how many bindings read its value */
    uint16_t watched;      /* how many of them must see it whenever it moves */
    uint16_t odd;          /* how many want more of it than its press */
} np_source;

/* That a binding is on a source. */
typedef struct np_use {
    uint16_t binding; /* NP_NO_INDEX: a free place */
    uint16_t next;    /* of the same source */
} np_use;
#define NP_USE_HELD 0x8000u /* added to the binding: the source is held, another one drives */

typedef struct np_binding {
    /* What presses and values need of it comes first. */
    uint32_t players; /* bit by player: for whom it is */
    uint16_t action;  /* NP_NO_INDEX: a free place */
    uint16_t next;    /* of the same action */
    uint8_t layer;
    uint8_t rank;  /* by its layer's priority, then by how long its chord is */
    uint8_t kind;  /* the action's */
    uint8_t shape; /* an np_shape */
    uint8_t source_count, with_count;
    uint16_t source[4];
    uint16_t ramp;    /* the first of as many as it has sources; NP_NO_INDEX: none */
    uint16_t shaping; /* NP_NO_INDEX: none */
    uint8_t gesture;  /* an nplug_gesture */
    uint8_t taps;
    uint8_t observes;            /* takes its controls from nobody */
    uint8_t counted;             /* among the odd ones of its sources, where it is one */
    uint16_t with[NP_CHORD - 1]; /* sources that must be held */
    uint32_t wait;               /* microseconds: see nplug_gesture */
    uint32_t every;
} np_binding;

/* What an action's rule says, and what the action is. */
typedef struct np_action_rule {
    uint8_t merge, opposite, one_of, keep;
    uint8_t number; /* of the rule, from 1; 0: none */
    uint8_t kind;   /* an nplug_action_kind */
    bool stays;
} np_action_rule;

typedef struct np_game {
    np_binding *bindings;
    np_source *sources;
    np_use *uses;
    uint16_t *first_binding; /* by action */
    np_action_rule *rules;   /* by action */
    np_shaping *shapings;
    uint8_t *kept; /* bit by shaping: it is some player's comfort */
    bool used;
    bool ruled;  /* some action's rule looks at other actions */
    bool timed;  /* some action is a motion, or its rule looks at which binding was later */
    bool freed;  /* some places of bindings, uses and sources may be free again */
    bool ranked; /* not all bindings have one rank: some may take a control from others */
    uint32_t binding_count, use_count; /* up to the last one in use */
    uint32_t source_count, shaping_count, filter_count;
    uint32_t action_limit, binding_limit, source_limit, shaping_limit, ramp_limit, gesture_limit;
    nplug_game def;
    uint64_t digest;
    np_filter filters[NP_FILTERS]; /* the first one is for any device */
    uint8_t layer_rank[NP_LAYERS]; /* 0 for the lowest priority */
    uint16_t bucket[NP_SOURCE_BUCKETS];
} np_game;

void np_game_layout(np_game *game, np_carve *carve, const nplug_limits *limits);

/* As if no game had ever been taken. */
void np_game_forget(np_game *game);

/* An action of the game, whatever the size that its program knows. */
static inline const nplug_action_def *np_game_action(const np_game *game, uint32_t action)
{
    const char *first = (const char *)game->def.actions;
    return (const nplug_action_def *)(const void *)(first + (size_t)action * game->def.action_size);
}

static inline nplug_action_kind np_game_kind(const np_game *game, uint32_t action)
{
    return (nplug_action_kind)game->rules[action].kind;
}

/* The first source of a control, or NP_NO_INDEX; and the next one of the same control, which is
 * another way of it, for other devices or with other thresholds. */
uint32_t np_game_source(const np_game *game, nplug_control control);
uint32_t np_game_same_control(const np_game *game, uint32_t source);

/* Keeps a player's shaping in the place of another one (*place, NP_NO_INDEX: of none), shared with
 * others that are alike; NP_NO_INDEX where it changes nothing.  false, and all is as it was, where
 * there is no room. */
bool np_game_keep_shaping(np_game *game, const np_shaping *shaping, uint16_t *place);

/* Takes a binding away from its action and its sources; the place is free. */
void np_game_drop(np_game *game, uint32_t binding);

/* A source that no binding uses any more, or NP_NO_INDEX; and gives its place away: nothing may be
 * linked to it. */
uint32_t np_game_idle_source(const np_game *game);
void np_game_drop_source(np_game *game, uint32_t source);

/* For whom a binding is. */
void np_game_set_players(np_game *game, uint32_t binding, uint32_t players);

/* A value as the game's own shaping makes it, where a shaping names one. */
nplug_vec2 np_game_shape(const np_game *game, const np_shaping *shaping, nplug_vec2 value);

/* What shapes a binding; NULL where nothing does. */
static inline const np_shaping *np_game_shaping(const np_game *game, const np_binding *binding)
{
    return binding->shaping == NP_NO_INDEX ? NULL : &game->shapings[binding->shaping];
}

/* Whether a binding's source moves without ends. */
static inline bool np_game_is_delta(const np_game *game, const np_binding *binding)
{
    return nplug_control_nature(game->sources[binding->source[0]].control, NULL) ==
           NPLUG_NATURE_DELTA;
}

/* The binding of a use, and whether the source is only held for it. */
static inline uint32_t np_use_binding(const np_use *use)
{
    return use->binding & ~NP_USE_HELD;
}
static inline bool np_use_is_held(const np_use *use)
{
    return (use->binding & NP_USE_HELD) != 0;
}

#endif
