/* Notches: a mouse's wheel that turns by one notch is pressed that way, and let go at once. */
#ifndef NP_NOTCHES_H
#define NP_NOTCHES_H

#include "controls.h"

/* Whether a control is pressed by notches, and has no press of its own. */
bool np_notches_has(nplug_control control);

/* A signal of deltas said this. */
void np_notches_turn(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time);

#endif
