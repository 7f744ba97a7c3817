/* Guards: for each signal the raw values inside which the edge lane need not run, kept as the
 * intersection of what the stages say.  A guard is a cache; anything may empty it. */
#ifndef NP_GUARDS_H
#define NP_GUARDS_H

#include <stdint.h>

struct nplug_nest;

/* Finds a signal's guard anew from its present value. */
void np_guards_renew(struct nplug_nest *nest, uint32_t signal);

/* Empties the guards of all signals of a device; or of all devices. */
void np_guards_empty(struct nplug_nest *nest, uint32_t device);
void np_guards_empty_all(struct nplug_nest *nest);

#endif
