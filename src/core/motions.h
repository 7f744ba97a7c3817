/* Motions: what was moved in a step, summed as it happens. */
#ifndef NP_MOTIONS_H
#define NP_MOTIONS_H

#include "values.h"

typedef struct np_motions {
    uint32_t *moving; /* player << 16 | action: those that are moved, or may be */
    uint32_t count;
    nplug_time advanced; /* up to here sticks and keys have moved them */
} np_motions;

void np_motions_layout(np_motions *motions, np_carve *carve, const nplug_limits *limits);

/* A motion may be moved from now on; it is in the list no more than once. */
void np_motions_mark(np_motions *motions, uint32_t player, uint32_t action);

/* A step begins: nothing has been moved in it yet. */
void np_motions_begin(nplug_nest *nest);

/* A signal without ends has moved by so much: whoever hears it has moved that far. */
void np_motions_slide(nplug_nest *nest, uint32_t signal, int32_t value);

/* Moves all that a stick or a key drives up to a time: from the last time on, as fast as the state
 * of the nest says.  To be called before that changes. */
void np_motions_advance(nplug_nest *nest, nplug_time time);

/* Where nothing is moved, time passes all the same. */
static inline void np_motions_pass(np_motions *motions, nplug_time time)
{
    motions->advanced = time;
}

/* The end of a step: says what was moved. */
void np_motions_settle(nplug_nest *nest, nplug_time time);

#endif
