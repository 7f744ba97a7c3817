#include "events.h"
#include "nest.h"
#include <string.h>

void np_events_layout(np_events *events, np_carve *carve, uint32_t size)
{
    events->list = (nplug_event *)np_carve_take(carve, size, sizeof(nplug_event));
    events->size = size;
}

void np_events_begin(np_events *events)
{
    events->count = 0;
    events->left_out = 0;
}

static bool lasting(uint32_t kind)
{
    return kind == NPLUG_EVENT_ARRIVAL || kind == NPLUG_EVENT_DEPARTURE ||
           kind == NPLUG_EVENT_JOIN || kind == NPLUG_EVENT_LEAVE || kind == NPLUG_EVENT_LIMIT;
}

nplug_event *np_events_new(np_events *events, nplug_event_kind kind)
{
    uint32_t room = lasting(kind) ? events->size : events->size - events->size / 4;
    nplug_event *event = &events->list[events->count];

    if (events->count >= room) {
        events->left_out++;
        events->dropped++;
        return NULL;
    }
    events->count++;
    memset(event, 0, sizeof *event);
    event->kind = (uint32_t)kind;
    return event;
}

void np_events_add(np_events *events, const nplug_event *event)
{
    nplug_event *place = np_events_new(events, (nplug_event_kind)event->kind);

    if (place) *place = *event;
}

nplug_event np_event(nplug_time time, nplug_event_kind kind, nplug_device device,
                     nplug_player player)
{
    nplug_event event = {0};
    event.time = time;
    event.kind = (uint32_t)kind;
    event.device = device;
    event.player = player;
    return event;
}

bool np_events_have_room(const np_events *events)
{
    return events->size - events->count > events->size / 8;
}

void np_events_end(np_events *events, nplug_time time)
{
    nplug_event event = np_event(time, NPLUG_EVENT_LIMIT, 0, 0);

    if (events->left_out == 0) return;
    event.count = NPLUG_LIMIT_EVENTS;
    event.value.x = (float)events->left_out;
    np_events_add(events, &event);
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

uint32_t nplug_dispatch(nplug_nest *nest, const nplug_handler *handlers, uint32_t count, void *user)
{
    uint32_t calls = 0;

    if (!nest || !handlers) return 0;
    for (uint32_t e = 0; e < nest->events.count; e++) {
        const nplug_event *event = &nest->events.list[e];
        for (uint32_t h = 0; h < count; h++) {
            if ((uint32_t)handlers[h].kind != event->kind || !handlers[h].hear) continue;
            if (handlers[h].action != NPLUG_EVERY_ACTION && handlers[h].action != event->action)
                continue;
            handlers[h].hear(user, nest, event);
            calls++;
        }
    }
    return calls;
}

const char *nplug_event_name(uint32_t kind)
{
    static const char *const names[NPLUG_EVENT_KINDS] = {
        "none",    "arrival", "departure", "change", "join",  "leave", "claim", "yield", "press",
        "release", "value",   "resynced",  "clocks", "limit", "twin",  "bound", "pick"};
    return kind < NPLUG_EVENT_KINDS ? names[kind] : "unknown";
}

const char *nplug_limit_name(uint32_t limit)
{
    static const char *const names[] = {"devices", "nodes",  "signals",  "controls", "links",
                                        "events",  "timers", "commands", "records",  "bindings"};
    return limit < sizeof names / sizeof *names ? names[limit] : "unknown";
}
