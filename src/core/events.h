/* Events of the step, kept until the next one. */
#ifndef NP_EVENTS_H
#define NP_EVENTS_H

#include "memory.h"
#include "nestplug/event.h"

typedef struct np_events {
    nplug_event *list;
    uint32_t size, count;
    uint32_t room;     /* up to here, any event finds room */
    uint32_t left_out; /* of this step */
    uint64_t dropped;  /* since the start */
    nplug_event lost;  /* the last one that found no room */
} np_events;

void np_events_layout(np_events *events, np_carve *carve, uint32_t size);

/* Forgets the last step's events. */
void np_events_begin(np_events *events);

/* A new event with its first fields set, all else 0, for its maker to fill in.  The last quarter is
 * kept for arrivals, departures, joins and leaves; one that finds no room is counted, and what is
 * filled in is lost. */
nplug_event *np_events_say(np_events *events, nplug_time time, nplug_event_kind kind,
                           nplug_device device, nplug_player player);

/* Whether the next group of reports, with all that it may bring, is sure to find room for what must
 * not be left out. */
bool np_events_have_room(const np_events *events);

/* Says, once a step, that events were left out. */
void np_events_end(np_events *events, nplug_time time);

#endif
