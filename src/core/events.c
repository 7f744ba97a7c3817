#include "events.h"
#include "nest.h"
#include <string.h>

void np_events_layout(np_events *events, np_carve *carve, uint32_t size)
{
    events->list = (nplug_event *)np_carve_take(carve, size, sizeof(nplug_event));
    events->size = size;
    events->room = size - size / 4;
}

void np_events_begin(np_events *events)
{
    events->count = 0;
    events->left_out = 0;
}

static bool lasting(uint32_t kind)
{
    return kind == NPLUG_EVENT_ARRIVAL || kind == NPLUG_EVENT_DEPARTURE ||
           kind == NPLUG_EVENT_JOIN || kind == NPLUG_EVENT_LEAVE || kind == NPLUG_EVENT_LIMIT ||
           kind == NPLUG_EVENT_WAIT;
}

nplug_event *np_events_say(np_events *events, nplug_time time, nplug_event_kind kind,
                           nplug_device device, nplug_player player)
{
    nplug_event *event = &events->list[events->count];

    if (events->count < events->room || (lasting(kind) && events->count < events->size)) {
        events->count++;
    } else {
        event = &events->lost;
        events->left_out++;
        events->dropped++;
    }
    memset(event, 0, sizeof *event);
    event->time = time;
    event->kind = (uint32_t)kind;
    event->device = device;
    event->player = player;
    return event;
}

bool np_events_have_room(const np_events *events)
{
    return events->size - events->count > events->size / 8;
}

void np_events_end(np_events *events, nplug_time time)
{
    uint32_t left_out = events->left_out;
    nplug_event *event;

    if (left_out == 0) return;
    event = np_events_say(events, time, NPLUG_EVENT_LIMIT, 0, 0);
    event->count = NPLUG_LIMIT_EVENTS;
    event->value.x = (float)left_out;
}

uint32_t nplug_event_count(const nplug_nest *nest)
{
    return nest ? nest->events.count : 0;
}

const nplug_event *nplug_event_at(const nplug_nest *nest, uint32_t place)
{
    if (!nest || place >= nest->events.count) return NULL;
    return &nest->events.list[place];
}

const char *nplug_event_name(uint32_t kind)
{
    static const char *const names[NPLUG_EVENT_KINDS] = {
        "none",  "arrival", "departure", "change",   "join",   "leave",   "claim", "yield",
        "press", "release", "value",     "resynced", "clocks", "limit",   "twin",  "bound",
        "pick",  "wait",    "wobble",    "swap",     "active", "battery", "full"};
    return kind < NPLUG_EVENT_KINDS ? names[kind] : "unknown";
}

const char *nplug_limit_name(uint32_t limit)
{
    static const char *const names[] = {"devices", "nodes",  "signals",  "controls", "links",
                                        "events",  "timers", "commands", "records",  "bindings"};
    return limit < sizeof names / sizeof *names ? names[limit] : "unknown";
}
