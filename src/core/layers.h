/* Layers: which are on for whom, and which bindings may see a control. */
#ifndef NP_LAYERS_H
#define NP_LAYERS_H

#include "bindings.h"

typedef struct np_layers {
    uint32_t *on;   /* by player: bit by layer */
    uint8_t *cover; /* by player, then source: bindings of a lower rank do not see its control */
    uint32_t source_limit;
} np_layers;

void np_layers_layout(np_layers *layers, np_carve *carve, const nplug_limits *limits);

/* Switches on what a game has on from the start. */
void np_layers_begin(np_layers *layers, const np_game *game);

static inline bool np_layers_on(const np_layers *layers, uint32_t player, uint32_t layer)
{
    return (layers->on[player] >> layer) & 1u;
}

/* Whether a binding takes part for a player: it is for them, its layer is on, and what must be held
 * for it is held. */
bool np_layers_admit(const nplug_nest *nest, uint32_t player, const np_binding *binding);

/* Whether a binding that takes part sees one of its sources: nothing of a higher rank takes the
 * source's control. */
static inline bool np_layers_see(const np_layers *layers, uint32_t player,
                                 const np_binding *binding, uint32_t source)
{
    return binding->rank >= layers->cover[(size_t)player * layers->source_limit + source];
}

/* Finds anew what takes the controls of a player: of the sources of one binding, or of all.  What a
 * lower rank held of them is let go, marked cancelled. */
void np_layers_cover_binding(nplug_nest *nest, uint32_t player, uint32_t binding, nplug_time time);
void np_layers_cover_all(nplug_nest *nest, nplug_time time);

/* Command: switches a layer; player 0 is all. */
void np_layers_switch(nplug_nest *nest, const nplug_command *command, nplug_time time);

#endif
