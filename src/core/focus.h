/* Focus: which kinds of devices are heard at all. */
#ifndef NP_FOCUS_H
#define NP_FOCUS_H

#include "nestplug/nest.h"

/* Command: these kinds (bit by nplug_kind) are not heard. */
void np_focus_mute(nplug_nest *nest, uint32_t kinds, nplug_time time);

/* Report: the game's window has the focus; without it only those kinds are heard that the game
 * named. */
void np_focus_take(nplug_nest *nest, bool focused, nplug_time time);

#endif
