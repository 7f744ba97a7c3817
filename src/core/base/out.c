/* All that rooms say: events, timers, commands for the corridor, lines for the log.
 *
 * Owns np_out.  Comes in: what a room has to say.  Goes out: events until the next step, and
 * whether there is room for more. */
#include "core/base/base.h"
#include <string.h>

/* How many commands the outbox holds at most: one change makes few. */
#define OUTBOX 16u

void np_out_layout(np_out *out, np_arena *arena, const nplug_limits *limits)
{
    np_events *events = &out->events;

    events->list = (nplug_event *)np_arena_take(arena, limits->events, sizeof(nplug_event));
    events->size = limits->events;
    events->room = limits->events - limits->events / 4;
    np_timers_layout(&out->timers, arena, limits->timers);
    np_queue_layout(&out->outbox, arena, limits->commands < OUTBOX ? limits->commands : OUTBOX);
}

void np_out_begin(np_out *out)
{
    out->events.count = 0;
    out->events.left_out = 0;
}

static bool lasting(uint32_t kind)
{
    return kind == NPLUG_EVENT_ARRIVAL || kind == NPLUG_EVENT_DEPARTURE ||
           kind == NPLUG_EVENT_JOIN || kind == NPLUG_EVENT_LEAVE || kind == NPLUG_EVENT_LIMIT ||
           kind == NPLUG_EVENT_WAIT;
}

nplug_event *np_out_event(np_out *out, nplug_time time, nplug_event_kind kind, nplug_device device,
                          nplug_player player)
{
    np_events *events = &out->events;
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

bool np_out_has_room(const np_out *out)
{
    return out->events.size - out->events.count > out->events.size / 8;
}

void np_out_end(np_out *out, nplug_time time)
{
    uint32_t left_out = out->events.left_out;
    nplug_event *event;

    if (left_out == 0) return;
    event = np_out_event(out, time, NPLUG_EVENT_LIMIT, 0, 0);
    event->limit = NPLUG_LIMIT_EVENTS;
    event->left_out = left_out;
}

bool np_out_timer(np_out *out, nplug_time due, np_timer_kind kind, uint32_t a, uint32_t b,
                  nplug_time time)
{
    bool set = np_timers_set(&out->timers, due, kind, a, b);

    if (!set) np_out_limit(out, NPLUG_LIMIT_TIMERS, time);
    return set;
}

void np_out_command(np_out *out, const nplug_command *command, nplug_time time)
{
    if (!np_queue_put(&out->outbox, command)) np_out_limit(out, NPLUG_LIMIT_COMMANDS, time);
}

void np_out_line(const np_out *out, const char *line)
{
    if (out->log) out->log(out->log_user, line);
}

bool np_out_is_new(np_out *out, np_once what)
{
    bool is_new = !((out->logged >> what) & 1u);

    out->logged |= 1u << what;
    return is_new;
}

void np_out_once(np_out *out, np_once what, const char *said, uint64_t number)
{
    char line[160];
    np_text text = np_text_in(line, sizeof line);

    if (!np_out_is_new(out, what)) return;
    np_text_add(&text, said);
    np_text_add(&text, " ");
    np_text_add_number(&text, number);
    np_text_add(&text, " (said once; nplug_nest_counts goes on counting)");
    np_out_line(out, line);
}

void np_out_limit(np_out *out, nplug_limit limit, nplug_time time)
{
    char line[96];
    np_text text = np_text_in(line, sizeof line);

    np_out_event(out, time, NPLUG_EVENT_LIMIT, 0, 0)->limit = (uint8_t)limit;
    if (!np_out_is_new(out, (np_once)(NP_ONCE_LIMITS + (unsigned)limit))) return;
    np_text_add(&text, "no more room: raise limits.");
    np_text_add(&text, nplug_limit_name(limit));
    np_out_line(out, line);
}
