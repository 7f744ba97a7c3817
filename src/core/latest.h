/* Of the bindings of an action whose latest one counts: in which order they left their rest. */
#ifndef NP_LATEST_H
#define NP_LATEST_H

#include "values.h"

typedef struct np_latest {
    uint8_t *order; /* by player, then binding: in which order it left its rest; 0: it rests */
    uint32_t binding_limit;
} np_latest;

void np_latest_layout(np_latest *latest, np_carve *carve, const nplug_limits *limits);

/* Looks at all whose controls moved lately, as the state of the nest is by `time`.  To be called
 * before that changes. */
void np_latest_advance(nplug_nest *nest, nplug_time time);

/* Which binding of an action left its rest last and is away from it yet; NP_NO_INDEX where none is.
 */
uint32_t np_latest_of(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time);

/* A binding's place is given away. */
void np_latest_forget(nplug_nest *nest, uint32_t binding);

#endif
