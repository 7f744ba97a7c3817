/* Gestures: how presses of a source become presses of actions.  One machine for each player and
 * source knows what anyone wants of it, and settles tap against double tap against hold. */
#ifndef NP_GESTURES_H
#define NP_GESTURES_H

#include "sources.h"

/* What a binding came to for a player. */
enum {
    NP_MARK_ARMED = 1,   /* it saw the press while its layer and its chord allowed it */
    NP_MARK_HOLDS = 2,   /* and holds its action */
    NP_MARK_LATER_X = 8, /* of two opposite keys, the second one was pressed last */
    NP_MARK_LATER_Y = 16
};

#define NP_TAPS     9          /* the longest row that a binding may want */
#define NP_TAP_NONE UINT32_MAX /* longer than any wait: of what belongs to no row */

/* A press that belongs to no row yet (microseconds). */
typedef struct np_tap {
    uint32_t pause;  /* between the press before and this one */
    uint32_t length; /* once it is over */
} np_tap;

/* What the machine of a player and a source remembers of presses. */
typedef struct np_machine {
    nplug_time since;    /* the source went down or came up last */
    nplug_device device; /* by which */
    uint8_t count;       /* of `taps` */
    uint8_t down;        /* the source is down; the last press of `taps` may go on */
    np_tap taps[NP_TAPS];
} np_machine;

typedef struct np_gestures {
    uint8_t *marks;       /* by player (0 first), then binding */
    uint16_t *rows;       /* likewise: bit by press of the machine's, whether it counts */
    np_machine *machines; /* by player, then the source's `gesture` */
    uint8_t *stuck;       /* by player, then source: it counts as held though it is up */
    uint8_t *alone;       /* by player: nothing else was pressed since what may stick was */
    uint32_t binding_limit, machine_limit, source_limit;
} np_gestures;

void np_gestures_layout(np_gestures *gestures, np_carve *carve, const nplug_limits *limits);

static inline uint8_t np_gestures_marks(const np_gestures *gestures, uint32_t player,
                                        uint32_t binding)
{
    return gestures->marks[(size_t)player * gestures->binding_limit + binding];
}

/* Whether a source counts as held for a player. */
static inline bool np_gestures_held(const np_gestures *gestures, const np_sources *sources,
                                    uint32_t player, uint32_t source)
{
    return np_sources_down(sources, player, source) ||
           gestures->stuck[(size_t)player * gestures->source_limit + source];
}

/* A source went down or came up for a player. */
void np_gestures_turn(nplug_nest *nest, uint32_t player, uint32_t source, const np_change *change,
                      bool pressed);

/* No binding uses a source any more: nothing is remembered of it, and nothing waits for it. */
void np_gestures_forget(nplug_nest *nest, uint32_t source);

/* What stays held by a source that is up, since the player wants presses to toggle, is let go. */
void np_gestures_let_go(nplug_nest *nest, uint32_t player, uint32_t source,
                        const np_change *change);

/* A binding lets go of what it holds and waits for, marked as `change` is. */
void np_gestures_drop(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change);

/* Timers of this stage fell due: a press has lasted, or is repeated; no further tap came. */
void np_gestures_lasted(nplug_nest *nest, uint32_t player, uint32_t binding, nplug_time time);
void np_gestures_settled(nplug_nest *nest, uint32_t player, uint32_t source, nplug_time time);

#endif
