#include "coming.h"
#include "looks.h"
#include "nest.h"

static void build(nplug_nest *nest, uint32_t device, nplug_time time)
{
    int limit;

    np_devices_call(&nest->devices, device);
    np_recognise(&nest->recogniser, &nest->devices, device);
    limit = np_controls_build(&nest->controls, &nest->devices, device, &nest->recogniser);
    if (limit >= 0) np_limit_reached(nest, (nplug_limit)limit, time);
    np_controls_mute(&nest->controls, device, nest->recogniser.of[device].kind);
    np_players_divide(nest, device);
    np_gauges_build(nest, device, time);
    np_guards_empty(nest, device);
    if (!np_sources_link(nest, device)) np_limit_reached(nest, NPLUG_LIMIT_LINKS, time);
    np_layers_cover_all(nest, time);
    np_values_mark_device(nest, device);
    np_labels_ask(nest, device, time);
}

/* Its buttons bounce no more. */
static void steady(nplug_nest *nest, uint32_t device)
{
    uint32_t signal;

    for (uint32_t i = 0; (signal = np_devices_signal(&nest->devices, device, i)) != NP_NONE; i++) {
        if (!(nest->devices.flags[signal] & NP_SIGNAL_BOUNCES)) continue;
        np_devices_steady(&nest->devices, signal);
        np_timers_cancel(&nest->timers, NP_TIMER_BOUNCE, 0, signal);
    }
}

static void unbuild(nplug_nest *nest, uint32_t device, nplug_time time)
{
    steady(nest, device);
    np_gauges_drop(nest, device);
    np_active_stop(nest, device);
    np_values_settle(nest, time);
    np_sources_let_go(nest, device, NP_ALL_PARTS, time);
    np_values_keep_device(nest, device);
    np_values_mark_device(nest, device);
    np_sources_unlink(nest, device);
    np_layers_cover_all(nest, time);
    np_controls_drop(&nest->controls, &nest->devices, device);
}

void np_coming_say(nplug_nest *nest, nplug_event_kind kind, uint32_t device, nplug_time time)
{
    np_events_say(&nest->events, time, kind, np_devices_handle(&nest->devices, device), 0);
}

void np_coming_gone(nplug_nest *nest, uint32_t device, nplug_time time)
{
    np_twins_depart(nest, np_devices_handle(&nest->devices, device));
    np_coming_say(nest, NPLUG_EVENT_DEPARTURE, device, time);
    np_devices_drop(&nest->devices, device);
    np_players_depart(nest, device, time);
}

/* Where the game bears with it, what has gone may come back before anyone is told. */
static bool may_come_back(nplug_nest *nest, uint32_t device, nplug_time time)
{
    nplug_time wobble = (nplug_time)nest->game.def.wobble_ms * 1000;

    return wobble && np_timers_set(&nest->timers, time + wobble, NP_TIMER_WOBBLE, 0, device);
}

void np_coming_depart(nplug_nest *nest, uint32_t node, nplug_time time)
{
    uint32_t device = nest->devices.nodes[node].device;

    if (device != NP_NONE) unbuild(nest, device, time);
    np_devices_drop_node(&nest->devices, node);
    if (device == NP_NONE) return;
    if (nest->devices.list[device].first_node != NP_NONE) {
        build(nest, device, time);
        np_coming_say(nest, NPLUG_EVENT_CHANGE, device, time);
    } else if (!may_come_back(nest, device, time)) {
        np_coming_gone(nest, device, time);
    }
}

/* Another node of a device that is here, or was until a moment ago. */
static void rejoin(nplug_nest *nest, uint32_t device, uint32_t node, nplug_time time)
{
    bool away = nest->devices.list[device].first_node == NP_NONE;

    if (away)
        np_timers_cancel(&nest->timers, NP_TIMER_WOBBLE, 0, device);
    else
        unbuild(nest, device, time);
    np_devices_add_node(&nest->devices, device, node);
    build(nest, device, time);
    np_coming_say(nest, away ? NPLUG_EVENT_WOBBLE : NPLUG_EVENT_CHANGE, device, time);
    if (away) np_players_light(nest, device);
}

/* The device that a node was, and that has gone. */
static uint32_t find_gone(const np_devices *devices, uint32_t node)
{
    np_who who = np_devices_who(&devices->nodes[node]);
    return np_returns_as(devices, &who, NP_NONE);
}

void np_coming_ready(nplug_nest *nest, uint32_t node, nplug_time time)
{
    uint32_t device, gone;

    np_devices_complete(&nest->devices, node, np_looks_by_itself(&nest->devices, node));
    device = np_devices_find_unit(&nest->devices, node);
    if (device == NP_NONE) device = np_returns_at_once(&nest->devices, node);
    if (device != NP_NONE) {
        rejoin(nest, device, node, time);
        return;
    }
    gone = find_gone(&nest->devices, node);
    device = np_devices_make(&nest->devices, node);
    if (device == NP_NONE) {
        np_devices_drop_node(&nest->devices, node);
        np_limit_reached(nest, NPLUG_LIMIT_DEVICES, time);
        return;
    }
    np_players_forget(nest, device, time);
    build(nest, device, time);
    np_coming_say(nest, NPLUG_EVENT_ARRIVAL, device, time);
    np_players_arrive(nest, device, gone == device ? NP_NONE : gone);
}

void np_coming_battery(nplug_nest *nest, uint32_t device, const nplug_report *report,
                       nplug_time time)
{
    const np_device *about = &nest->devices.list[device];
    nplug_event *event;

    if (!np_devices_charge(&nest->devices, device, report) || about->battery < 0) return;
    event = np_events_say(&nest->events, time, NPLUG_EVENT_BATTERY,
                          np_devices_handle(&nest->devices, device), 0);
    event->count = (uint64_t)about->battery;
    event->value.x = (float)about->battery / 100.0f;
    event->flags = about->battery <= NP_BATTERY_LOW && !about->charging ? NPLUG_EVENT_LOW : 0;
}
