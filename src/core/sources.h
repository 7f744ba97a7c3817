/* Sources: where a device's control meets the game's bindings, and one gesture machine for each
 * player and source. */
#ifndef NP_SOURCES_H
#define NP_SOURCES_H

#include "bindings.h"
#include "controls.h"

/* A meeting of a device's control with a source. */
typedef struct np_link {
    uint16_t source;
    uint16_t control;
    uint16_t next;       /* of the same source, NP_NO_INDEX at the end */
    uint16_t of_control; /* the next one of the same control, likewise */
    uint8_t down;        /* pressed, as players hear it */
} np_link;

/* The gesture machine of one player and source. */
typedef struct np_machine {
    uint16_t down; /* how many links are down */
} np_machine;

typedef struct np_sources {
    np_link *links;
    np_span span;
    uint16_t *of_control; /* the first link of a control, or NP_NO_INDEX */
    uint16_t *of_source;  /* the first link of a source */
    np_machine *machines; /* by player (0 first), then source */
    uint32_t source_limit;
} np_sources;

/* One change on its way through the edge lane: what the later stages need to know of it. */
typedef struct np_change {
    nplug_time time;
    uint32_t control; /* place of the control, or NP_NONE */
    nplug_device device;
    nplug_control id;
    bool cancelled; /* no person did it */
} np_change;

void np_sources_layout(np_sources *sources, np_carve *carve, const nplug_limits *limits);

/* Links a device's controls to the sources that name them; false where there is no room. */
bool np_sources_link(nplug_nest *nest, uint32_t device);
void np_sources_unlink(nplug_nest *nest, uint32_t device);

/* Hears a change of a control: finds the edges of its link, and moves the machines. */
void np_sources_hear(nplug_nest *nest, const np_change *change);

/* Lets go of all that a device's controls hold, marked cancelled, and spends them. */
void np_sources_let_go(nplug_nest *nest, uint32_t device, nplug_time time);

/* A hold that has not fired yet never will: its layer was switched off, or it was let go. */
void np_sources_forget_hold(nplug_nest *nest, uint32_t player, uint32_t binding);

/* A timer of this stage fell due. */
void np_sources_held(nplug_nest *nest, uint32_t player, uint32_t binding, nplug_time time);

/* The strongest value that a player hears of a source, shaped (NULL: as it is); of deltas the sum.
 */
nplug_vec2 np_sources_value(const nplug_nest *nest, uint32_t player, uint32_t source,
                            const np_shaping *shaping);

/* Whether a source is pressed for a player. */
static inline bool np_sources_down(const np_sources *sources, uint32_t player, uint32_t source)
{
    return sources->machines[(size_t)player * sources->source_limit + source].down != 0;
}

/* Narrows the interval in which this stage need not be called. */
void np_sources_guard(const nplug_nest *nest, uint32_t control, np_interval *interval);

#endif
