/* Hot-plug: what is done, room by room, as devices come, change and go.
 *
 * Owns nothing.  Comes in: nodes that are ready or gone, batteries, letters on keys.  Goes out:
 * events; rooms that know of it. */
#include "core/nest/nest.h"
#include <string.h>

/* Its controls are dealt out to its parts. */
static void deal(nplug_nest *nest, uint32_t device)
{
    np_run run = nest->device.controls.of_device[device];

    np_players_divide(&nest->player, device);
    if (nest->player.players.parts[device].parts == 0) return;
    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        np_controls_deal(&nest->device.controls, i, np_players_part_of(&nest->player, i));
}

static bool is_hand(const nplug_nest *nest, uint32_t device)
{
    return np_kind_is_hand(nest->device.recogniser.of[device].kind);
}

static void build(nplug_nest *nest, uint32_t device, nplug_time time)
{
    np_device_room *room = &nest->device;
    int limit;

    np_devices_call(&room->devices, device);
    np_recognise(&room->recogniser, &room->devices, device);
    np_touch_build(nest, device, time);
    limit = np_controls_build(&room->controls, &room->devices, device, &room->recogniser);
    if (limit >= 0) np_out_limit(&nest->out, (nplug_limit)limit, time);
    np_controls_mute(&room->controls, device, room->recogniser.of[device].kind,
                     room->devices.list[device].asleep);
    deal(nest, device);
    if (room->recogniser.of[device].kind == NPLUG_KIND_TOUCH) np_surfaces_add(room, device);
    np_calibrate_build(room, device, time);
    if (!np_links_add_device(&nest->action, device))
        np_out_limit(&nest->out, NPLUG_LIMIT_LINKS, time);
    np_wake_after(nest, device, time);
    if (is_hand(nest, device)) np_wake_hands(nest, time);
    np_hotplug_ask_labels(nest, device, time);
}

/* Its buttons bounce no more. */
static void steady(nplug_nest *nest, uint32_t device)
{
    uint32_t signal;

    for (uint32_t i = 0; (signal = np_devices_signal(&nest->device.devices, device, i)) != NP_NONE;
         i++) {
        if (!(nest->device.devices.flags[signal] & NP_SIGNAL_BOUNCES)) continue;
        np_devices_steady(&nest->device.devices, signal);
        np_timers_cancel(&nest->out.timers, NP_TIMER_BOUNCE, 0, signal);
    }
}

static void unbuild(nplug_nest *nest, uint32_t device, nplug_time time)
{
    steady(nest, device);
    np_calibrate_drop(&nest->device, device);
    np_active_stop(&nest->player, device);
    np_wake_before(nest, device, NP_ALL_PARTS, time);
    np_marks_keep_device(&nest->action, device);
    np_links_drop_device(&nest->action, device);
    np_wake_after(nest, device, time);
    np_controls_drop(&nest->device.controls, &nest->device.devices, device);
    np_touch_unbuild(nest, device, time);
    if (is_hand(nest, device)) np_wake_hands(nest, time);
}

void np_hotplug_tell(nplug_nest *nest, nplug_event_kind kind, uint32_t device, nplug_time time)
{
    np_out_event(&nest->out, time, kind, np_devices_handle(&nest->device.devices, device), 0);
}

void np_hotplug_gone(nplug_nest *nest, uint32_t device, nplug_time time)
{
    np_duplicates_depart(&nest->device, np_devices_handle(&nest->device.devices, device));
    np_hotplug_tell(nest, NPLUG_EVENT_DEPARTURE, device, time);
    np_devices_drop(&nest->device.devices, device);
    for (uint32_t p = 1; p <= nest->player.players.limit; p++) {
        np_players_tell_waiting(&nest->player, device, p, time);
        np_wake_players(nest, time);
    }
    np_players_depart(&nest->player, device, time);
    np_wake_players(nest, time);
}

void np_hotplug_arrive(nplug_nest *nest, uint32_t device, uint32_t gone, nplug_time time)
{
    np_players_arrive(&nest->player, device, gone, time);
    if (gone != NP_NONE) np_devices_forget(&nest->device.devices, gone);
    np_wake_players(nest, time);
}

/* Where the game bears with it, what has gone may come back before anyone is told. */
static bool may_come_back(nplug_nest *nest, uint32_t device, nplug_time time)
{
    nplug_time wobble = (nplug_time)nest->game.game.def.wobble_ms * 1000;

    return wobble && np_timers_set(&nest->out.timers, time + wobble, NP_TIMER_WOBBLE, 0, device);
}

void np_hotplug_depart(nplug_nest *nest, uint32_t node, nplug_time time)
{
    uint32_t device = nest->device.devices.nodes[node].device;

    if (device != NP_NONE) {
        np_effects_stop(&nest->feed, &nest->out, device);
        unbuild(nest, device, time);
    }
    np_devices_drop_node(&nest->device.devices, node);
    if (device == NP_NONE) return;
    if (nest->device.devices.list[device].first_node != NP_NONE) {
        build(nest, device, time);
        np_hotplug_tell(nest, NPLUG_EVENT_CHANGE, device, time);
    } else if (!may_come_back(nest, device, time)) {
        np_hotplug_gone(nest, device, time);
    }
}

/* Another node of a device that is here, or was until a moment ago. */
static void rejoin(nplug_nest *nest, uint32_t device, uint32_t node, nplug_time time)
{
    bool away = nest->device.devices.list[device].first_node == NP_NONE;

    if (away)
        np_timers_cancel(&nest->out.timers, NP_TIMER_WOBBLE, 0, device);
    else
        unbuild(nest, device, time);
    np_devices_add_node(&nest->device.devices, device, node);
    build(nest, device, time);
    np_hotplug_tell(nest, away ? NPLUG_EVENT_WOBBLE : NPLUG_EVENT_CHANGE, device, time);
    if (away) np_wake_light(nest, device);
}

/* The device that a node was, and that has gone. */
static uint32_t find_gone(const np_devices *devices, uint32_t node)
{
    np_who who = np_devices_who(&devices->nodes[node]);
    return np_reconnect_as(devices, &who, NP_NONE);
}

void np_hotplug_ready(nplug_nest *nest, uint32_t node, nplug_time time)
{
    uint32_t device, gone;

    np_devices_complete(&nest->device.devices, node, np_classify_node(&nest->device.devices, node));
    device = np_devices_find_unit(&nest->device.devices, node);
    if (device == NP_NONE) device = np_reconnect_at_once(&nest->device.devices, node);
    if (device != NP_NONE) {
        rejoin(nest, device, node, time);
        return;
    }
    gone = find_gone(&nest->device.devices, node);
    device = np_devices_make(&nest->device.devices, node);
    if (device == NP_NONE) {
        np_devices_drop_node(&nest->device.devices, node);
        np_out_limit(&nest->out, NPLUG_LIMIT_DEVICES, time);
        return;
    }
    np_players_forget(&nest->player, device);
    np_wake_players(nest, time);
    build(nest, device, time);
    np_hotplug_tell(nest, NPLUG_EVENT_ARRIVAL, device, time);
    np_hotplug_arrive(nest, device, gone == device ? NP_NONE : gone, time);
}

void np_hotplug_battery(nplug_nest *nest, uint32_t device, const nplug_report *report,
                        nplug_time time)
{
    const np_device *about = &nest->device.devices.list[device];
    nplug_event *event;

    if (!np_devices_charge(&nest->device.devices, device, report) || about->battery < 0) return;
    event = np_out_event(&nest->out, time, NPLUG_EVENT_BATTERY,
                         np_devices_handle(&nest->device.devices, device), 0);
    event->battery_percent = (uint32_t)about->battery;
    event->flags = about->battery <= NP_BATTERY_LOW && !about->charging ? NPLUG_EVENT_FLAG_LOW : 0;
}

/* --- ports that were detached ------------------------------------------------------------------
 */

/* Says for a port that says nothing any more that its devices have gone; false where its ring has
 * no room for all of it. */
static bool say_gone(nplug_nest *nest, uint32_t port, nplug_time now)
{
    const np_devices *devices = &nest->device.devices;
    nplug_report report = {0};

    report.kind = NPLUG_REPORT_DEPART;
    report.time = now;
    for (uint32_t i = 0; i < nest->limits.nodes; i++) {
        if (devices->nodes[i].presence != NP_ARRIVING && devices->nodes[i].presence != NP_HERE)
            continue;
        if (devices->nodes[i].key >> 24 != port) continue;
        report.device = devices->nodes[i].key & NP_RING_FOLDED_MAX;
        if (nplug_push(&nest->feed.ports[port].ring, &report, 1) != NPLUG_OK) return false;
    }
    return true;
}

void np_hotplug_detach(nplug_nest *nest, nplug_time now)
{
    for (uint32_t i = 0; i < nest->feed.port_count; i++)
        if (nest->feed.ports[i].leaving && np_ring_waiting(&nest->feed.ports[i].ring) == 0 &&
            say_gone(nest, i, now))
            np_feed_left(&nest->feed, i);
}

/* --- what is printed on keys ------------------------------------------------------------------ */

void np_hotplug_label(nplug_nest *nest, uint32_t device, const nplug_report *report,
                      nplug_time time)
{
    np_labels_take(&nest->action, device, report, time);
    np_wake_after(nest, device, time);
}

static const np_feed_port *port_of(const nplug_nest *nest, uint32_t device)
{
    uint32_t node = nest->device.devices.list[device].first_node;
    return node == NP_NONE ? NULL : &nest->feed.ports[nest->device.devices.nodes[node].key >> 24];
}

size_t np_hotplug_key_label(const nplug_nest *nest, uint32_t device, nplug_control key,
                            char *buffer, size_t size)
{
    const np_feed_port *port = port_of(nest, device);
    uint16_t usage = (uint16_t)NPLUG_CONTROL_INDEX(key);
    size_t length = 0;

    if (!port) return 0;
    if (nest->key_labels) length = nest->key_labels(nest->key_labels_user, usage, buffer, size);
    if (length || !port->port.key_label) return length;
    return port->port.key_label(port->self, usage, buffer, size);
}

/* What is printed on a key, as a control of a binding; 0 where no binding names it. */
static nplug_control ask(const nplug_nest *nest, uint32_t device, nplug_control key)
{
    char name[32] = "key-label:";
    size_t head = strlen(name), length;
    nplug_control label;

    length = np_hotplug_key_label(nest, device, key, name + head, sizeof name - head);
    if (length == 0 || length > 2) return 0;
    label = nplug_control_from_name(name, head + length);
    return label && np_game_source(&nest->game.game, label) != NP_NO_INDEX ? label : 0;
}

static void tell_label(nplug_nest *nest, uint32_t device, nplug_control key, nplug_control label,
                       nplug_time time)
{
    uint32_t node = nest->device.devices.nodes[nest->device.devices.list[device].first_node].key;
    nplug_report report = {0};

    report.time = time;
    report.device = node & NP_RING_FOLDED_MAX;
    report.kind = NPLUG_REPORT_LABEL;
    report.signal = (uint16_t)NPLUG_CONTROL_INDEX(key);
    report.data.value = (int32_t)NPLUG_CONTROL_INDEX(label);
    if (nest->recorder.size) np_record_report(nest, node >> 24, &report, NP_NONE);
    np_hotplug_label(nest, device, &report, time);
}

void np_hotplug_ask_labels(nplug_nest *nest, uint32_t device, nplug_time time)
{
    np_run run = nest->device.controls.of_device[device];
    const np_feed_port *port = port_of(nest, device);

    if (!port || !np_labels_are_named(&nest->action)) return;
    if (nest->device.recogniser.of[device].kind != NPLUG_KIND_KEYBOARD) return;
    if (!port->port.key_label && !nest->key_labels && !nest->key_labels_due) return;
    tell_label(nest, device, 0, 0, time);
    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        nplug_control key = nest->device.controls.list[i].id, label;
        if (NPLUG_CONTROL_CLASS(key) != NPLUG_CLASS_KEY) continue;
        label = ask(nest, device, key);
        if (label) tell_label(nest, device, key, label, time);
    }
}

void np_hotplug_ask_all_labels(nplug_nest *nest, nplug_time time)
{
    for (uint32_t i = 0; i < nest->device.devices.count; i++)
        np_hotplug_ask_labels(nest, nest->device.devices.order[i], time);
    nest->key_labels_due = false;
}
