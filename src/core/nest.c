/* The spine: the order in which everything that is due passes through the stages. */
#include "nest.h"
#include <string.h>

/* --- opening -------------------------------------------------------------------------------- */

static void lay_out(nplug_nest *nest, np_carve *carve, const nplug_limits *limits)
{
    np_feed_layout(&nest->feed, carve, limits);
    np_devices_layout(&nest->devices, carve, limits);
    np_recognise_layout(&nest->recogniser, carve, limits);
    np_controls_layout(&nest->controls, carve, limits);
    np_players_layout(&nest->players, carve, limits);
    np_game_layout(&nest->game, carve, limits);
    np_sources_layout(&nest->sources, carve, limits);
    np_layers_layout(&nest->layers, carve, limits);
    np_gestures_layout(&nest->gestures, carve, limits);
    np_actions_layout(&nest->actions, carve, limits);
    np_values_layout(&nest->values, carve, limits);
    np_motions_layout(&nest->motions, carve, limits);
    np_latest_layout(&nest->latest, carve, limits);
    np_active_layout(&nest->active, carve, limits);
    np_comfort_layout(&nest->comforts, carve, limits);
    np_rebind_layout(&nest->rebinds, carve, limits);
    np_pick_layout(&nest->pick, carve, limits);
    np_events_layout(&nest->events, carve, limits->events);
    np_timers_layout(&nest->timers, carve, limits->timers);
    np_commands_layout(&nest->commands, carve, limits->commands);
    np_record_layout(&nest->recorder, carve, limits->records);
}

/* Between what each limit must be, in their order; what has an index of 16 bits ends before that.
 */
static const uint32_t possible[][2] = {
    {1, 4095},  /* devices */
    {1, 16000}, /* nodes */
    {1, 65535}, /* signals */
    {1, 50000}, /* controls */
    {1, 60000}, /* links */
    {1, NPLUG_PLAYERS_MAX},
    {1, 60000},    /* actions */
    {1, 16000},    /* bindings */
    {1, 60000},    /* sources */
    {16, 1000000}, /* events */
    {1, 60000},    /* timers */
    {4, 60000},    /* commands */
    {1, NP_FEED_PORTS},
    {64, 1u << 24}, /* ring_slots */
    {1, 60000},     /* shapings */
    {1, 60000},     /* ramps */
    {1, 60000},     /* gestures */
    {1, 1u << 24},  /* text */
    {1, 60000},     /* matches */
    {0, 100000000}, /* records */
};

static bool are_possible(const nplug_limits *limits)
{
    const uint32_t *limit = &limits->devices;
    uint32_t ring = limits->ring_slots;
    bool good = limits->size == sizeof *limits && (ring & (ring - 1)) == 0;

    for (size_t i = 0; good && i < sizeof possible / sizeof *possible; i++)
        good = limit[i] >= possible[i][0] && limit[i] <= possible[i][1];
    return good;
}

size_t nplug_memory_needed(const nplug_limits *limits)
{
    np_carve carve = {NULL, 0};
    nplug_nest measured;

    if (!limits || !are_possible(limits)) return 0;
    np_carve_take(&carve, 1, sizeof(nplug_nest));
    memset(&measured, 0, sizeof measured);
    lay_out(&measured, &carve, limits);
    return carve.used;
}

nplug_result nplug_open(const nplug_setup *setup, void *block, size_t size, nplug_nest **out)
{
    np_carve carve = {(unsigned char *)block, 0};
    uint32_t sheets;
    const nplug_sheet *builtin = nplug_builtin_sheets(&sheets);
    nplug_nest *nest;
    size_t needed;

    if (!out) return NPLUG_ERR_ARGUMENT;
    *out = NULL;
    if (!setup || !block || (uintptr_t)block % 16 != 0) return NPLUG_ERR_ARGUMENT;
    if (setup->size != sizeof *setup) return NPLUG_ERR_SIZE;
    needed = nplug_memory_needed(&setup->limits);
    if (needed == 0) return NPLUG_ERR_ARGUMENT;
    if (size < needed) return NPLUG_ERR_SIZE;
    nest = (nplug_nest *)np_carve_take(&carve, 1, sizeof(nplug_nest));
    nest->limits = setup->limits;
    nest->log = setup->log;
    nest->log_user = setup->log_user;
    nest->record_all_keys = setup->record_all_keys;
    np_gauges_begin(&nest->gauges, setup->follow_rest);
    lay_out(nest, &carve, &setup->limits);
    if (np_recognise_add(&nest->recogniser, builtin, sheets) != NPLUG_OK) return NPLUG_ERR_FULL;
    *out = nest;
    return NPLUG_OK;
}

nplug_result nplug_add_sheets(nplug_nest *nest, const nplug_sheet *sheets, uint32_t count)
{
    if (!nest || (count && !sheets)) return NPLUG_ERR_ARGUMENT;
    for (uint32_t i = 0; i < count; i++)
        if (sheets[i].size != sizeof *sheets) return NPLUG_ERR_SIZE;
    if (nest->started) return NPLUG_ERR_ORDER;
    return np_recognise_add(&nest->recogniser, sheets, count);
}

void nplug_shut(nplug_nest *nest)
{
    if (nest) np_feed_stop(&nest->feed);
}

/* --- commands ------------------------------------------------------------------------------- */

void np_outbox_put(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    if (!np_queue_put(&nest->commands.outbox, command))
        np_limit_reached(nest, NPLUG_LIMIT_COMMANDS, time);
}

/* To the node that makes the device what it is. */
static void play_effect(nplug_nest *nest, const nplug_command *command)
{
    uint32_t device = np_devices_index(&nest->devices, command->device);
    nplug_command soft = *command;
    float rumble;

    if (device == NP_NONE || nest->devices.list[device].first_node == NP_NONE) return;
    rumble = np_comfort_rumble(nest, device);
    soft.strong = (uint16_t)((float)command->strong * rumble);
    soft.weak = (uint16_t)((float)command->weak * rumble);
    np_feed_effect(&nest->feed, nest->devices.nodes[nest->recogniser.of[device].chief].key, &soft);
}

static void say_clocks(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    np_events_say(&nest->events, time, NPLUG_EVENT_CLOCKS, 0, 0)->count = command->number;
    np_log_line(nest,
                "the clocks disagree: a port's reports are over a second ahead of nplug_step");
}

static void apply(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    switch (command->kind) {
    case NPLUG_COMMAND_CLAIM:
        np_players_claim(nest, command, time);
        break;
    case NPLUG_COMMAND_YIELD:
        np_players_yield(nest, command, time);
        break;
    case NPLUG_COMMAND_LEAVE:
        np_players_leave(nest, command->player, time, 0);
        break;
    case NPLUG_COMMAND_SWAP:
        np_players_swap(nest, command, time);
        break;
    case NPLUG_COMMAND_FOLLOW:
        np_active_follow(nest, command, time);
        break;
    case NPLUG_COMMAND_ACTIVE:
        np_active_take(nest, command, time);
        break;
    case NPLUG_COMMAND_JOIN:
        np_players_join(nest, command, time);
        break;
    case NPLUG_COMMAND_LAYER:
        np_layers_switch(nest, command, time);
        break;
    case NPLUG_COMMAND_TEXT:
        np_rebind_text(nest, command);
        break;
    case NPLUG_COMMAND_BIND:
        np_rebind_take(nest, command, time);
        break;
    case NPLUG_COMMAND_MUTE:
        np_focus_mute(nest, command->number, time);
        break;
    case NPLUG_COMMAND_COMFORT:
        np_comfort_take(nest, command, time);
        break;
    case NPLUG_COMMAND_PICK:
        np_pick_take(nest, command, time);
        break;
    case NPLUG_COMMAND_PICK_END:
        np_pick_stop(nest, NPLUG_EVENT_CANCELLED, time);
        break;
    case NPLUG_COMMAND_IGNORE:
        np_players_ignore(nest, command, time);
        break;
    case NPLUG_COMMAND_CALIBRATE:
        np_gauges_take(nest, command, time);
        break;
    case NPLUG_COMMAND_RUMBLE:
    case NPLUG_COMMAND_LIGHTS:
        play_effect(nest, command);
        break;
    case NPLUG_COMMAND_CLOCKS:
        say_clocks(nest, command, time);
        break;
    default:
        break;
    }
}

static void empty_outbox(nplug_nest *nest, nplug_time time)
{
    nplug_command command;

    while (np_queue_take(&nest->commands.outbox, &command))
        apply(nest, &command, time);
}

/* What the game asked for since the last step, at the last processed time. */
static bool take_commands(nplug_nest *nest)
{
    nplug_command command;

    while (np_events_have_room(&nest->events)) {
        if (!np_queue_take(&nest->commands.posted, &command)) return true;
        np_record_command(nest, &command);
        apply(nest, &command, nest->feed.processed);
        empty_outbox(nest, nest->feed.processed);
    }
    return false;
}

/* --- the edge lane -------------------------------------------------------------------------- */

static void run_wire(nplug_nest *nest, const np_wire *wire, uint32_t signal, nplug_time time)
{
    const np_control *control = &nest->controls.list[wire->control];
    np_change change = {time, wire->control, np_devices_handle(&nest->devices, control->device),
                        control->id, nest->cancelled};
    np_edge edge = np_controls_edge(&nest->controls, wire->control);

    if (control->flags & (NP_CONTROL_LEVER | NP_CONTROL_BOTH)) edge = NP_EDGE_NONE;
    if (edge == NP_EDGE_PRESS && nest->devices.nodes[nest->devices.signals[signal].node].resyncing)
        np_controls_spend(&nest->controls, wire->control, false);
    if (edge == NP_EDGE_PRESS) np_twins_hear(nest, change.device, change.id, time);
    if (nest->pick.waits) np_pick_hear(nest, &change);
    np_players_hear(nest, &change, edge);
    np_active_hear(nest, &change, edge);
    np_sources_hear(nest, &change);
}

/* The first that a node says, where it says how it lies and not what somebody does, tells where its
 * axes rest. */
static void ask_rest(nplug_nest *nest, uint32_t signal)
{
    uint32_t node = nest->devices.signals[signal].node;
    const np_node *about = &nest->devices.nodes[node];

    if (about->began != about->last + 1 ||
        !np_controls_lies_still(&nest->controls, &nest->devices, node))
        np_devices_found_rest(&nest->devices, signal, NP_RESTS_THERE);
    else if (np_controls_ask(&nest->controls, &nest->devices, signal))
        np_gauges_rests(nest, signal);
}

/* All that one device said at one moment is one change: every control has its new value before any
 * stage looks at one. */
static void run_group(nplug_nest *nest, nplug_time time)
{
    const np_devices *devices = &nest->devices;

    if (devices->touched_count) np_nest_advance(nest, time);
    for (uint32_t i = 0; i < devices->touched_count; i++) {
        np_run run = nest->controls.of_signal[devices->touched[i]];
        if (devices->signals[devices->touched[i]].rests == NP_RESTS_UNASKED)
            ask_rest(nest, devices->touched[i]);
        for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++)
            np_controls_set(&nest->controls, devices, w, devices->touched[i]);
    }
    for (uint32_t i = 0; i < devices->touched_count; i++) {
        np_run run = nest->controls.of_signal[devices->touched[i]];
        for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++)
            run_wire(nest, &nest->controls.wires[w], devices->touched[i], time);
        np_guards_renew(nest, devices->touched[i]);
    }
    np_devices_untouch(&nest->devices);
    nest->cancelled = false;
    empty_outbox(nest, time);
}

/* Whether a button that bounces may say this now; else a timer will. */
static bool is_settled(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    nplug_time due = 0;

    if (np_devices_settled(&nest->devices, signal, value, time, &due)) return true;
    if (due && !np_timers_set(&nest->timers, due, NP_TIMER_BOUNCE, 0, signal))
        np_limit_reached(nest, NPLUG_LIMIT_TIMERS, time);
    return false;
}

/* A contact that another one takes the place of has ended. */
static void end_contact(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    const np_devices *devices = &nest->devices;

    if (devices->signals[signal].nature != NPLUG_NATURE_CONTACT) return;
    if (devices->raw[signal] < 0 || value < 0 || devices->raw[signal] == value) return;
    np_devices_store(&nest->devices, signal, -1);
    np_devices_touch(&nest->devices, signal);
    run_group(nest, time);
}

/* What moves without ends is heard at once: its values are sums. */
static void slide(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    uint32_t node = nest->devices.signals[signal].node;

    if (value == 0) return;
    np_nest_advance(nest, time);
    np_controls_slide(&nest->controls, &nest->devices, signal, time);
    np_pick_slide(nest, signal);
    np_active_slide(nest, signal, value, time);
    np_devices_slide(&nest->devices, nest->devices.nodes[node].device, time);
    np_notches_turn(nest, signal, value, time);
    np_motions_slide(nest, signal, value);
}

/* Stores a value that stages must see at the group's end.  A signal that says two things in one
 * group is two changes: none is lost. */
static void store(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    const np_devices *devices = &nest->devices;

    if (devices->flags[signal] & NP_SIGNAL_BOUNCES && !is_settled(nest, signal, value, time))
        return;
    if (devices->flags[signal] & NP_SIGNAL_TOUCHED) run_group(nest, time);
    end_contact(nest, signal, value, time);
    np_devices_store(&nest->devices, signal, value);
    if (devices->signals[signal].nature == NPLUG_NATURE_DELTA)
        slide(nest, signal, value, time);
    else
        np_devices_touch(&nest->devices, signal);
}

static void count_bad_time(nplug_nest *nest, uint32_t node, nplug_time said)
{
    if (said >= nest->devices.nodes[node].last) {
        np_feed_count(&nest->feed.counts.late);
        np_log_once(nest, NP_ONCE_LATE, "a report came late, after its step: its port's number is",
                    nest->devices.nodes[node].key & NP_RING_FOLDED_MAX);
        return;
    }
    np_feed_count(&nest->feed.counts.backwards);
    np_log_once(nest, NP_ONCE_BACKWARDS, "a device's time ran backwards: its port's number is",
                nest->devices.nodes[node].key & NP_RING_FOLDED_MAX);
}

/* A report said that it was then, and is taken now. */
static inline void note_time(nplug_nest *nest, uint32_t node, nplug_time said, nplug_time taken)
{
    if (said < taken || said < nest->devices.nodes[node].last) count_bad_time(nest, node, said);
    np_devices_note_time(&nest->devices, node, said);
}

/* Why a value cannot be taken: counted, and said the first time. */
static void refuse(nplug_nest *nest, uint32_t node, const nplug_report *report)
{
    if (node == NP_NONE) {
        np_feed_count(&nest->feed.counts.unknown_device);
        np_log_once(nest, NP_ONCE_DEVICE, "a report for a device that is not here: port's number",
                    report->device);
    } else {
        np_feed_count(&nest->feed.counts.unknown_signal);
        np_log_once(nest, NP_ONCE_SIGNAL, "a signal that was never declared: number",
                    report->signal);
    }
}

/* One value that was not taken quickly. */
static void take_value(nplug_nest *nest, uint32_t port, uint32_t node, const nplug_report *report,
                       nplug_time time)
{
    const np_node *about = &nest->devices.nodes[node == NP_NONE ? 0 : node];
    bool known = node != NP_NONE && report->signal < about->signals;
    uint32_t signal = known ? about->first_signal + report->signal : NP_NONE;

    /* What is refused is recorded, too: it may end a group. */
    if (nest->recorder.size) np_record_report(nest, port, report, signal);
    if (!known) {
        refuse(nest, node, report);
        return;
    }
    if (np_devices_quick_value(&nest->devices, signal, report->as.value)) return;
    nest->cancelled |= (report->flags & NPLUG_REPORT_CANCELLED) != 0;
    if (about->presence == NP_HERE)
        store(nest, signal, report->as.value, time);
    else
        np_devices_store(&nest->devices, signal, report->as.value);
}

/* The end of a resync: what was not named is at rest. */
static void end_resync(nplug_nest *nest, uint32_t node, nplug_time time)
{
    const np_node *about = &nest->devices.nodes[node];

    for (uint32_t i = 0; i < about->signals; i++) {
        uint32_t signal = about->first_signal + i;
        np_run run = nest->controls.of_signal[signal];
        if (!(nest->devices.flags[signal] & NP_SIGNAL_UNSEEN) || run.count == 0) continue;
        if (nest->devices.signals[signal].nature == NPLUG_NATURE_DELTA) continue;
        store(nest, signal, nest->controls.wires[run.first].rest, time);
    }
    run_group(nest, time);
    np_devices_resync(&nest->devices, node, false);
    np_devices_set_stale(&nest->devices, node, false);
    np_coming_say(nest, NPLUG_EVENT_RESYNCED, about->device, time);
}

static void begin(nplug_nest *nest, uint32_t port, const nplug_report *report, nplug_time time)
{
    uint32_t key = port << 24 | report->device;
    uint32_t known = np_devices_node(&nest->devices, key);
    int limit;

    if (known != NP_NONE) np_coming_depart(nest, known, time);
    limit = np_devices_begin(&nest->devices, key, report);
    if (limit >= 0) np_limit_reached(nest, (nplug_limit)limit, time);
}

static void describe(nplug_nest *nest, uint32_t node, const nplug_report *report)
{
    if (np_devices_describe(&nest->devices, node, report)) return;
    np_feed_count(&nest->feed.counts.unknown_signal);
    np_log_once(nest, NP_ONCE_SIGNAL, "a piece of an arrival that does not belong: signal",
                report->signal);
}

static void mark_stale(nplug_nest *nest, uint32_t port, uint32_t device)
{
    np_log_once(nest, NP_ONCE_RING, "a ring filled up and a device will be resynced; port", port);
    for (uint32_t i = 0; i < nest->devices.node_limit; i++) {
        const np_node *node = &nest->devices.nodes[i];
        if (node->presence != NP_HERE || node->key >> 24 != port) continue;
        if (device == NPLUG_PORT_DEVICE_ALL || (node->key & NP_RING_FOLDED_MAX) == device)
            np_devices_set_stale(&nest->devices, i, true);
    }
}

/* A report about a node that must be here already. */
static void take_about(nplug_nest *nest, uint32_t node, const nplug_report *report, nplug_time time)
{
    bool here = nest->devices.nodes[node].presence == NP_HERE;

    switch (report->kind) {
    case NPLUG_REPORT_TEXT:
    case NPLUG_REPORT_SIGNAL:
    case NPLUG_REPORT_DETAIL:
        describe(nest, node, report);
        break;
    case NPLUG_REPORT_READY:
        if (!here) np_coming_ready(nest, node, time);
        break;
    case NPLUG_REPORT_BATTERY:
        if (here) np_coming_battery(nest, nest->devices.nodes[node].device, report, time);
        break;
    case NPLUG_REPORT_LABEL:
        if (here) np_labels_take(nest, nest->devices.nodes[node].device, report, time);
        break;
    case NPLUG_REPORT_DEPART:
        np_coming_depart(nest, node, time);
        break;
    case NPLUG_REPORT_RESYNC_BEGIN:
        if (here) np_devices_resync(&nest->devices, node, true);
        break;
    default:
        if (here) end_resync(nest, node, time);
        break;
    }
}

static void take_other(nplug_nest *nest, uint32_t port, const nplug_report *report, nplug_time time)
{
    uint32_t node;

    run_group(nest, time);
    np_nest_advance(nest, time);
    if (nest->recorder.size) np_record_report(nest, port, report, NP_NONE);
    if (report->kind >= NPLUG_REPORT_KINDS) {
        np_feed_count(&nest->feed.counts.unknown_kind);
        np_log_once(nest, NP_ONCE_KIND, "a report of no known kind:", report->kind);
    } else if (report->kind == NPLUG_REPORT_STALE) {
        mark_stale(nest, port, report->device);
    } else if (report->kind == NPLUG_REPORT_LAYOUT) {
        np_labels_ask_all(nest, time);
    } else if (report->kind == NPLUG_REPORT_FOCUS) {
        np_focus_take(nest, report->as.value != 0, time);
    } else if (report->kind == NPLUG_REPORT_ARRIVE) {
        begin(nest, port, report, time);
    } else if ((node = np_devices_node(&nest->devices, port << 24 | report->device)) != NP_NONE) {
        take_about(nest, node, report, time);
    } else {
        refuse(nest, NP_NONE, report);
    }
    empty_outbox(nest, time);
}

/* A group is one device's: what another one says is not of it, whatever the port meant. */
static void part_group(nplug_nest *nest, uint32_t port)
{
    np_feed_count(&nest->feed.counts.bad_groups);
    np_log_once(nest, NP_ONCE_MIXED, "a group of reports mixed devices, and was parted: port",
                port);
}

/* Whether a report is a node's; at the mark behind a ring's end, whether what follows is. */
static bool is_of(const nplug_nest *nest, const np_node *node, const nplug_report *report)
{
    const nplug_ring *ring = &nest->feed.ports[node->key >> 24].ring;

    if (report->device == NP_RING_END) report = ring->slots;
    return report->device == (node->key & NP_RING_FOLDED_MAX);
}

/* Goes on with a group of which somebody must see a value: to its end, which is one change, or to
 * what is no value: false. */
static bool take_changes(nplug_nest *nest, const np_node *node, const nplug_report **at,
                         nplug_time time)
{
    for (;; ++*at) {
        const nplug_report *report = *at;
        uint32_t signal = node->first_signal + report->signal;
        if (!is_of(nest, node, report)) {
            part_group(nest, node->key >> 24);
            run_group(nest, time);
            return true;
        }
        if (report->device == NP_RING_END || report->kind != NPLUG_REPORT_VALUE ||
            report->signal >= node->signals || node->presence != NP_HERE)
            return false;
        if (!np_devices_quick_value(&nest->devices, signal, report->as.value)) {
            nest->cancelled |= (report->flags & NPLUG_REPORT_CANCELLED) != 0;
            store(nest, signal, report->as.value, time);
        }
        if (!(report->flags & NPLUG_REPORT_MORE)) break;
    }
    ++*at;
    run_group(nest, time);
    return true;
}

/* Whether what a port said may be gone on with: no timer was set meanwhile, and events have room.
 */
static bool may_go_on(const nplug_nest *nest, nplug_time due)
{
    return np_timers_next(&nest->timers) == due && np_events_have_room(&nest->events);
}

/* One of the reports that wait, as the last one of its group where the next is another device's. */
static nplug_report report_of_group(nplug_nest *nest, uint32_t port, uint32_t place)
{
    const nplug_ring *ring = &nest->feed.ports[port].ring;
    nplug_report report = *np_ring_at(ring, place);

    if (!(report.flags & NPLUG_REPORT_MORE) || np_ring_at(ring, place + 1)->device == report.device)
        return report;
    part_group(nest, port);
    report.flags &= (uint8_t)~NPLUG_REPORT_MORE;
    return report;
}

/* A group, whatever it holds; returns how many reports that were. */
static uint32_t take_reports(nplug_nest *nest, uint32_t port, uint32_t node, nplug_time time)
{
    uint32_t count = 0;
    nplug_report report;

    do {
        report = report_of_group(nest, port, count++);
        if (report.kind == NPLUG_REPORT_VALUE) {
            take_value(nest, port, node, &report, time);
            continue;
        }
        take_other(nest, port, &report, time);
        node = np_devices_node(&nest->devices, port << 24 | report.device);
    } while (report.flags & NPLUG_REPORT_MORE);
    if (nest->devices.touched_count || nest->commands.outbox.count) run_group(nest, time);
    return count;
}

/* Groups of values off the head of a ring, up to a time; where something else ends it within a
 * group, the longer way takes the rest of that, at the group's time.  No node's time is later than
 * what was processed. */
static bool take_values(nplug_nest *nest, uint32_t port, nplug_time until, nplug_time due)
{
    const np_feed_port *from = &nest->feed.ports[port];
    const nplug_report *head = np_ring_at(&from->ring, 0);
    np_row row = {head, head + np_ring_run(&from->ring, from->waiting), nest->feed.processed, until,
                  (uint64_t)port << 32};
    bool goes_on = true, whole = true;
    const np_node *node = NULL;

    while (goes_on && whole && (node = np_devices_take(&nest->devices, &row)) != NULL) {
        np_feed_advance(&nest->feed, row.processed);
        whole = take_changes(nest, node, &row.at, row.processed);
        goes_on = may_go_on(nest, due);
    }
    np_feed_advance(&nest->feed, row.processed);
    np_feed_took(&nest->feed, port, (uint32_t)(row.at - head));
    if (whole) return goes_on;
    np_feed_took(&nest->feed, port,
                 take_reports(nest, port, (uint32_t)(node - nest->devices.nodes), row.processed));
    return may_go_on(nest, due);
}

/* A number that no device can have: what it says is refused.  Traces have no such numbers: there it
 * is a value of nobody's, which comes to the same. */
static void take_nobody(nplug_nest *nest, uint32_t port, const nplug_report *report)
{
    nplug_report recorded = {0};

    np_feed_count(&nest->feed.counts.unknown_device);
    np_log_once(nest, NP_ONCE_NOBODY, "a port's number of a device is too large:", report->device);
    recorded.time = report->time;
    recorded.device = NPLUG_PORT_DEVICE_MAX;
    recorded.signal = UINT16_MAX;
    if (nest->recorder.size) np_record_report(nest, port, &recorded, NP_NONE);
}

static bool is_nobody(const nplug_ring *ring, const nplug_report *report)
{
    return report->device > np_ring_device_max(ring) &&
           (report->device != NPLUG_PORT_DEVICE_ALL || report->kind != NPLUG_REPORT_STALE);
}

/* Takes one group whole, by the longer way.  A group is one device's, so its node is looked up
 * once, and again only after what is no value. */
static void take_group(nplug_nest *nest, uint32_t port)
{
    const nplug_report *head = np_ring_at(&nest->feed.ports[port].ring, 0);
    nplug_time time = np_feed_time(&nest->feed, port);
    uint32_t node;

    np_feed_advance(&nest->feed, time);
    if (is_nobody(&nest->feed.ports[port].ring, head)) {
        take_nobody(nest, port, head);
        np_feed_took(&nest->feed, port, 1);
        return;
    }
    node = np_devices_node(&nest->devices, port << 24 | head->device);
    if (node != NP_NONE) note_time(nest, node, head->time, time);
    np_feed_took(&nest->feed, port, take_reports(nest, port, node, time));
}

/* The earliest timer; no port says anything before `silence` ends. */
static void fire_timer(nplug_nest *nest, nplug_time silence)
{
    np_timer timer = np_timers_take(&nest->timers);

    np_feed_advance(&nest->feed, timer.due);
    np_nest_advance(nest, timer.due);
    if (timer.kind == NP_TIMER_HOLD) {
        np_gestures_lasted(nest, timer.a, timer.b, timer.due);
    } else if (timer.kind == NP_TIMER_TAP) {
        np_gestures_settled(nest, timer.a, timer.b, timer.due);
    } else if (timer.kind == NP_TIMER_PICK) {
        np_pick_stop(nest, NPLUG_EVENT_LATE, timer.due);
    } else if (timer.kind == NP_TIMER_WOBBLE) {
        np_coming_gone(nest, timer.b, timer.due);
    } else if (timer.kind == NP_TIMER_WAIT) {
        np_players_waited(nest, timer.b, timer.due);
    } else if (timer.kind == NP_TIMER_CONTEST) {
        np_active_decide(nest, timer.a, timer.b, timer.due);
    } else if (timer.kind == NP_TIMER_LOOK) {
        np_active_look(nest, timer.due, silence);
    } else if (timer.kind == NP_TIMER_GAUGE) {
        np_gauges_sample(nest, timer.due, silence);
    } else if (timer.kind == NP_TIMER_BOUNCE) {
        store(nest, timer.b, np_devices_waited(&nest->devices, timer.b), timer.due);
        run_group(nest, timer.due);
    }
    empty_outbox(nest, timer.due);
}

/* What one port said up to a time, as long as it may be gone on with. */
static void take_port(nplug_nest *nest, uint32_t port, nplug_time until)
{
    const np_feed_port *from = &nest->feed.ports[port];
    nplug_time due = np_timers_next(&nest->timers);

    do {
        if (nest->recorder.size == 0 && !take_values(nest, port, until, due)) return;
        if (!from->waiting || np_feed_time(&nest->feed, port) > until) return;
        take_group(nest, port);
    } while (may_go_on(nest, due) && from->waiting);
}

/* Everything due up to `now`, in time order; false where events ran out of room. */
static bool run_edges(nplug_nest *nest, nplug_time now)
{
    while (np_events_have_room(&nest->events)) {
        nplug_time until, due = np_timers_next(&nest->timers);
        uint32_t port = np_feed_next(&nest->feed, now, &until);

        if (nest->timers.count && due <= now &&
            (port == NP_NONE || due <= np_feed_time(&nest->feed, port))) {
            fire_timer(nest, port == NP_NONE ? now : np_feed_time(&nest->feed, port));
            continue;
        }
        if (port == NP_NONE) return true;
        take_port(nest, port, nest->timers.count && due <= until ? due - 1 : until);
    }
    return false;
}

/* --- the step ------------------------------------------------------------------------------- */

static void note_clocks(nplug_nest *nest, nplug_time now)
{
    nplug_command command = {0};
    uint32_t port;

    while ((port = np_feed_clock(&nest->feed, now)) != NP_NONE) {
        np_feed_count(&nest->feed.counts.early);
        command.kind = NPLUG_COMMAND_CLOCKS;
        command.number = port;
        np_queue_put(&nest->commands.posted, &command);
    }
}

/* What rings refused since they were opened. */
static void note_rings(nplug_nest *nest)
{
    for (uint32_t i = 0; i < nest->feed.port_count; i++)
        if (np_ring_bad_groups(&nest->feed.ports[i].ring))
            np_log_once(nest, NP_ONCE_GROUP,
                        "a group of reports never ended, and was thrown away: port", i);
}

static void ask_resyncs(nplug_nest *nest)
{
    uint32_t node;

    while ((node = np_devices_next_stale(&nest->devices)) != NP_NONE)
        np_feed_resync(&nest->feed, nest->devices.nodes[node].key);
}

nplug_result nplug_step(nplug_nest *nest, nplug_time now)
{
    bool whole;

    if (!nest) return NPLUG_ERR_ARGUMENT;
    if (now < nest->feed.processed) now = nest->feed.processed;
    nest->started = true;
    nest->step++;
    np_events_begin(&nest->events);
    np_motions_begin(nest);
    np_feed_pump(&nest->feed, now);
    note_clocks(nest, now);
    whole = take_commands(nest) && run_edges(nest, now);
    np_feed_release(&nest->feed);
    if (whole) np_feed_advance(&nest->feed, now);
    np_values_settle(nest, nest->feed.processed);
    np_motions_settle(nest, nest->feed.processed);
    ask_resyncs(nest);
    note_rings(nest);
    np_events_end(&nest->events, nest->feed.processed);
    np_record_step(nest, nest->feed.processed);
    return whole ? NPLUG_OK : NPLUG_AGAIN;
}

nplug_time nplug_nest_time(const nplug_nest *nest)
{
    return nest ? nest->feed.processed : 0;
}

nplug_limits nplug_nest_limits(const nplug_nest *nest)
{
    nplug_limits none = {0};
    return nest ? nest->limits : none;
}
