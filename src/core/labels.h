/* Labels: which key of a keyboard bears the letter that a binding names. */
#ifndef NP_LABELS_H
#define NP_LABELS_H

#include "bindings.h"
#include "nestplug/report.h"

/* Whether some binding names a letter that no key is known to bear. */
bool np_labels_miss(const nplug_nest *nest);

/* Asks a keyboard's port what is printed on its keys, where some binding names a letter: it came,
 * the layout changed, or bindings did.  The answers are recorded as reports, so that a trace needs
 * no port. */
void np_labels_ask(nplug_nest *nest, uint32_t device, nplug_time time);
void np_labels_ask_all(nplug_nest *nest, nplug_time time);

/* Report: a key of a device bears a letter. */
void np_labels_take(nplug_nest *nest, uint32_t device, const nplug_report *report, nplug_time time);

#endif
