/* Coming and going: what is done, room by room, as devices come, change and go. */
#ifndef NP_COMING_H
#define NP_COMING_H

#include "devices.h"

/* An event of that kind about a device. */
void np_coming_say(nplug_nest *nest, nplug_event_kind kind, uint32_t device, nplug_time time);

/* A node is complete: a new device, or a part of one that is here, or was until a moment ago. */
void np_coming_ready(nplug_nest *nest, uint32_t node, nplug_time time);

/* A node is no more; with its last one its device goes, at once or after it might have come back.
 */
void np_coming_depart(nplug_nest *nest, uint32_t node, nplug_time time);
void np_coming_gone(nplug_nest *nest, uint32_t device, nplug_time time);

/* A device says how full its battery is. */
void np_coming_battery(nplug_nest *nest, uint32_t device, const nplug_report *report,
                       nplug_time time);

#endif
