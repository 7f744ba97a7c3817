/* Sources: where a device's control meets the game's bindings, and which are down for whom. */
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
    uint8_t heard;       /* by which player, or one of the two below */
    uint16_t missed;     /* bit by player, the first one 0: who came to hear it when it was down */
} np_link;
#define NP_HEARD_BY_SEVERAL 0u
#define NP_HEARD_BY_NOBODY  255u

typedef struct np_sources {
    np_link *links;
    np_span span;
    uint16_t *of_control; /* the first link of a control, or NP_NO_INDEX */
    uint16_t *of_source;  /* the first link of a source */
    uint16_t *down;       /* by player (0 first), then source: how many links are */
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

/* The same of one source, for all devices that are here.  A control that is pressed already is down
 * from now on, but nobody saw it go down. */
bool np_sources_link_one(nplug_nest *nest, uint32_t source);
void np_sources_unlink_one(nplug_nest *nest, uint32_t source);

/* One control of a device drives a source, whatever its name is; and all that does so by what is
 * printed on it lets go and does no more. */
bool np_sources_link_control(nplug_nest *nest, uint32_t source, uint32_t control);
void np_sources_unlabel(nplug_nest *nest, uint32_t device, nplug_time time);

/* Hears a change of a control: finds the edges of its links, for all who hear it. */
void np_sources_hear(nplug_nest *nest, const np_change *change);

/* A control is pressed one way and let go at once, by all who hear it. */
void np_sources_strike(nplug_nest *nest, const np_change *change, uint16_t way);

/* Other players hear a device, or none: its links stand where they belong. */
void np_sources_sort(nplug_nest *nest, uint32_t device);

/* Lets go of all that a part of a device holds (or NP_ALL_PARTS), marked cancelled, and spends it.
 */
void np_sources_let_go(nplug_nest *nest, uint32_t device, uint32_t part, nplug_time time);

/* A device by which a source is down for a player; 0 where it is not. */
nplug_device np_sources_device(const nplug_nest *nest, uint32_t player, uint32_t source);

/* Of those who hear a part of a device, some no longer do and others begin to (bit by player), and
 * whoever stays goes on holding.  What is down is let go of for the ones, marked cancelled, and is
 * nothing to the others until it is pressed anew. */
void np_sources_hand_over(nplug_nest *nest, uint32_t device, uint32_t part, uint32_t leaving,
                          uint32_t coming, nplug_time time);

/* What a source reads of a control's value. */
nplug_vec2 np_source_read(const np_source *source, nplug_vec2 value);

/* How a binding reads its sources: shaped (NULL: as they are); deltas as a mean speed over `span`
 * microseconds (0: not at all), and what has ends as a speed where `moves`. */
typedef struct np_taste {
    const np_shaping *shaping;
    nplug_time span;
    bool moves;
} np_taste;

/* The strongest value that a player hears of a source; of deltas the sum. */
nplug_vec2 np_sources_value(const nplug_nest *nest, uint32_t player, uint32_t source,
                            const np_taste *taste);

/* Whether a source is pressed for a player. */
static inline bool np_sources_down(const np_sources *sources, uint32_t player, uint32_t source)
{
    return sources->down[(size_t)player * sources->source_limit + source] != 0;
}

/* Narrows the interval of one number of a control in which this stage need not be called; false: it
 * always must. */
bool np_sources_guard(const nplug_nest *nest, uint32_t control, unsigned component,
                      np_interval *interval);

#endif
