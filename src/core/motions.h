/* Motions: what was moved in a step, summed as it happens. */
#ifndef NP_MOTIONS_H
#define NP_MOTIONS_H

#include "values.h"

/* A step begins: nothing has been moved in it yet. */
void np_motions_begin(nplug_nest *nest);

/* A signal without ends has moved by so much: whoever hears it has moved that far. */
void np_motions_slide(nplug_nest *nest, uint32_t signal, int32_t value);

/* Moves all that a stick or a key drives up to a time: from the last time on, as fast as the state
 * of the nest says.  To be called before that changes. */
void np_motions_advance(nplug_nest *nest, nplug_time time);

/* The end of a step: says what was moved. */
void np_motions_settle(nplug_nest *nest, nplug_time time);

#endif
