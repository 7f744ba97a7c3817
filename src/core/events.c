#include "events.h"
#include "nest.h"

void np_events_layout(np_events *events, np_carve *carve, uint32_t size)
{
    events->list = (nplug_event *)np_carve_take(carve, size, sizeof(nplug_event));
    events->size = size;
    events->hash = NP_HASH_START;
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

/* The control is left out: a trace does not hold which unbound key made a join. */
static uint64_t hash_event(uint64_t hash, const nplug_event *event)
{
    np_digest digest = {hash};
    np_digest_u64(&digest, event->time);
    np_digest_u64(&digest, event->count << 16 | event->flags);
    np_digest_u64(&digest, (uint64_t)event->kind << 32 | event->device);
    np_digest_u64(&digest, (uint64_t)event->player << 32 | event->action);
    return digest.hash;
}

void np_events_add(np_events *events, const nplug_event *event)
{
    uint32_t room = lasting(event->kind) ? events->size : events->size - events->size / 4;

    if (event->kind != NPLUG_EVENT_VALUE) events->hash = hash_event(events->hash, event);
    if (events->count >= room) {
        events->left_out++;
        events->dropped++;
        return;
    }
    events->list[events->count++] = *event;
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

const char *nplug_event_name(uint32_t kind)
{
    static const char *const names[NPLUG_EVENT_KINDS] = {
        "none",  "arrival", "departure", "change",   "join",   "leave", "claim", "yield",
        "press", "release", "value",     "resynced", "clocks", "limit", "twin"};
    return kind < NPLUG_EVENT_KINDS ? names[kind] : "unknown";
}

const char *nplug_limit_name(uint32_t limit)
{
    static const char *const names[] = {"devices", "nodes",  "signals",  "controls", "links",
                                        "events",  "timers", "commands", "records"};
    return limit < sizeof names / sizeof *names ? names[limit] : "unknown";
}
