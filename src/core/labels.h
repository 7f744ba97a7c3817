/* Labels: which key of a keyboard bears the letter that a binding names. */
#ifndef NP_LABELS_H
#define NP_LABELS_H

#include "bindings.h"
#include "nestplug/trace.h"

typedef struct np_labels {
    uint8_t *wanted; /* by device: its port is to be asked */
    bool any;
} np_labels;

void np_labels_layout(np_labels *labels, np_carve *carve, const nplug_limits *limits);

/* A device's keys are to be asked for: it came, the layout changed, or bindings did. */
void np_labels_want(nplug_nest *nest, uint32_t device);
void np_labels_want_all(nplug_nest *nest);

/* Whether some binding names a letter that no key is known to bear. */
bool np_labels_miss(const nplug_nest *nest);

/* At the head of a step: asks the ports, and posts what they say as commands, so that it is
 * recorded. */
void np_labels_ask(nplug_nest *nest);

/* Command: a key of a device bears a letter. */
void np_labels_take(nplug_nest *nest, const nplug_command *command, nplug_time time);

#endif
