/* Reports: what ports say, taken one group after the other.
 *
 * Owns nothing.  Comes in: the head of a ring.  Goes out: the edge lane of each group, in the order
 * of the rooms. */
#include "core/nest/nest.h"

static void run_group(nplug_nest *nest, nplug_time time);

/* Whether a button that bounces may say this now; else a timer will. */
static bool is_settled(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    nplug_time due = 0;

    if (np_devices_settled(&nest->device.devices, signal, value, time, &due)) return true;
    if (due && !np_timers_set(&nest->out.timers, due, NP_TIMER_BOUNCE, 0, signal))
        np_out_limit(&nest->out, NPLUG_LIMIT_TIMERS, time);
    return false;
}

/* A contact that another one takes the place of has ended. */
static void end_contact(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    const np_devices *devices = &nest->device.devices;

    if (devices->signals[signal].nature != NPLUG_NATURE_CONTACT) return;
    if (devices->raw[signal] < 0 || value < 0 || devices->raw[signal] == value) return;
    np_devices_store(&nest->device.devices, signal, -1);
    np_devices_touch(&nest->device.devices, signal);
    run_group(nest, time);
}

static void run_group(nplug_nest *nest, nplug_time time)
{
    bool glides = nest->device.devices.touched_count == 0;

    np_changes_run(nest, time);
    if (nest->device.devices.fingers.set) np_touch_run(nest, glides, time);
    nest->cancelled = false;
    np_commands_empty_outbox(nest, time);
}

/* --- values ------------------------------------------------------------------------------------
 */

/* Stores a value that stages must see at the group's end.  A signal that says two things in one
 * group is two changes: none is lost. */
static void store(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    const np_devices *devices = &nest->device.devices;

    if (devices->flags[signal] & NP_SIGNAL_BOUNCES && !is_settled(nest, signal, value, time))
        return;
    if (devices->flags[signal] & NP_SIGNAL_TOUCHED) run_group(nest, time);
    end_contact(nest, signal, value, time);
    np_devices_store(&nest->device.devices, signal, value);
    if (devices->signals[signal].nature == NPLUG_NATURE_DELTA)
        np_changes_delta(nest, signal, value, time);
    else
        np_devices_touch(&nest->device.devices, signal);
}

static void count_bad_time(nplug_nest *nest, uint32_t node, nplug_time said)
{
    if (said >= nest->device.devices.nodes[node].last) {
        np_feed_count(&nest->feed.counts.late);
        np_out_once(&nest->out, NP_ONCE_LATE,
                    "a report came late, after its step: its port's number is",
                    nest->device.devices.nodes[node].key & NP_RING_FOLDED_MAX);
        return;
    }
    np_feed_count(&nest->feed.counts.backwards);
    np_out_once(&nest->out, NP_ONCE_BACKWARDS,
                "a device's time ran backwards: its port's number is",
                nest->device.devices.nodes[node].key & NP_RING_FOLDED_MAX);
}

/* A report said that it was then, and is taken now. */
static inline void note_time(nplug_nest *nest, uint32_t node, nplug_time said, nplug_time taken)
{
    if (said < taken || said < nest->device.devices.nodes[node].last)
        count_bad_time(nest, node, said);
    np_devices_note_time(&nest->device.devices, node, said);
}

/* Why a value cannot be taken: counted, and said the first time. */
static void refuse(nplug_nest *nest, uint32_t node, const nplug_report *report)
{
    if (node == NP_NONE) {
        np_feed_count(&nest->feed.counts.unknown_device);
        np_out_once(&nest->out, NP_ONCE_DEVICE,
                    "a report for a device that is not here: port's number", report->device);
    } else {
        np_feed_count(&nest->feed.counts.unknown_signal);
        np_out_once(&nest->out, NP_ONCE_SIGNAL, "a signal that was never declared: number",
                    report->signal);
    }
}

/* One value that was not taken quickly. */
static void take_value(nplug_nest *nest, uint32_t port, uint32_t node, const nplug_report *report,
                       nplug_time time)
{
    const np_node *about = &nest->device.devices.nodes[node == NP_NONE ? 0 : node];
    bool known = node != NP_NONE && report->signal < about->signals;
    uint32_t signal = known ? about->first_signal + report->signal : NP_NONE;

    /* What is refused is recorded, too: it may end a group. */
    if (nest->recorder.size) np_record_report(nest, port, report, signal);
    if (!known) {
        refuse(nest, node, report);
        return;
    }
    if (np_devices_quick_value(&nest->device.devices, signal, report->data.value)) return;
    nest->cancelled |= (report->flags & NPLUG_REPORT_FLAG_CANCELLED) != 0;
    if (about->presence == NP_HERE)
        store(nest, signal, report->data.value, time);
    else
        np_devices_store(&nest->device.devices, signal, report->data.value);
}

/* The end of a resync: what was not named is at rest. */
static void end_resync(nplug_nest *nest, uint32_t node, nplug_time time)
{
    const np_node *about = &nest->device.devices.nodes[node];

    for (uint32_t i = 0; i < about->signals; i++) {
        uint32_t signal = about->first_signal + i;
        np_run run = nest->device.controls.of_signal[signal];
        if (!(nest->device.devices.flags[signal] & NP_SIGNAL_UNSEEN) || run.count == 0) continue;
        if (nest->device.devices.signals[signal].nature == NPLUG_NATURE_DELTA) continue;
        store(nest, signal, nest->device.controls.wires[run.first].rest, time);
    }
    run_group(nest, time);
    np_devices_resync(&nest->device.devices, node, false);
    np_devices_set_stale(&nest->device.devices, node, false);
    np_hotplug_tell(nest, NPLUG_EVENT_RESYNCED, about->device, time);
}

static void begin(nplug_nest *nest, uint32_t port, const nplug_report *report, nplug_time time)
{
    uint32_t key = port << 24 | report->device;
    uint32_t known = np_devices_node(&nest->device.devices, key);
    int limit;

    if (known != NP_NONE) np_hotplug_depart(nest, known, time);
    limit = np_devices_begin(&nest->device.devices, key, report);
    if (limit >= 0) np_out_limit(&nest->out, (nplug_limit)limit, time);
}

static void describe(nplug_nest *nest, uint32_t node, const nplug_report *report)
{
    if (np_devices_describe(&nest->device.devices, node, report)) return;
    np_feed_count(&nest->feed.counts.unknown_signal);
    np_out_once(&nest->out, NP_ONCE_SIGNAL, "a piece of an arrival that does not belong: signal",
                report->signal);
}

static void mark_stale(nplug_nest *nest, uint32_t port, uint32_t device)
{
    np_out_once(&nest->out, NP_ONCE_RING, "a ring filled up and a device will be resynced; port",
                port);
    for (uint32_t i = 0; i < nest->device.devices.node_limit; i++) {
        const np_node *node = &nest->device.devices.nodes[i];
        if (node->presence != NP_HERE || node->key >> 24 != port) continue;
        if (device == NPLUG_PORT_DEVICE_ALL || (node->key & NP_RING_FOLDED_MAX) == device)
            np_devices_set_stale(&nest->device.devices, i, true);
    }
}

/* A report about a node that must be here already. */
static void take_about(nplug_nest *nest, uint32_t node, const nplug_report *report, nplug_time time)
{
    bool here = nest->device.devices.nodes[node].presence == NP_HERE;

    switch (report->kind) {
    case NPLUG_REPORT_TEXT:
    case NPLUG_REPORT_SIGNAL:
    case NPLUG_REPORT_DETAIL:
        describe(nest, node, report);
        break;
    case NPLUG_REPORT_READY:
        if (!here) np_hotplug_ready(nest, node, time);
        break;
    case NPLUG_REPORT_BATTERY:
        if (here) np_hotplug_battery(nest, nest->device.devices.nodes[node].device, report, time);
        break;
    case NPLUG_REPORT_LABEL:
        if (here) np_hotplug_label(nest, nest->device.devices.nodes[node].device, report, time);
        break;
    case NPLUG_REPORT_AWAKE:
        if (here)
            np_wake_sleep(nest, nest->device.devices.nodes[node].device, report->data.value == 0,
                          time);
        break;
    case NPLUG_REPORT_DEPART:
        np_hotplug_depart(nest, node, time);
        break;
    case NPLUG_REPORT_RESYNC_BEGIN:
        if (here) np_devices_resync(&nest->device.devices, node, true);
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
    np_nest_note_change(nest);
    if (nest->recorder.size) np_record_report(nest, port, report, NP_NONE);
    if (report->kind >= NP_REPORT_KINDS) {
        np_feed_count(&nest->feed.counts.unknown_kind);
        np_out_once(&nest->out, NP_ONCE_KIND, "a report of no known kind:", report->kind);
    } else if (report->kind == NPLUG_REPORT_DROPPED) {
        mark_stale(nest, port, report->device);
    } else if (report->kind == NPLUG_REPORT_LAYOUT) {
        np_hotplug_ask_all_labels(nest, time);
    } else if (report->kind == NPLUG_REPORT_FOCUS) {
        np_wake_focus(nest, report->data.value != 0, time);
    } else if (report->kind == NPLUG_REPORT_ARRIVE) {
        begin(nest, port, report, time);
    } else if ((node = np_devices_node(&nest->device.devices, port << 24 | report->device)) !=
               NP_NONE) {
        take_about(nest, node, report, time);
    } else {
        refuse(nest, NP_NONE, report);
    }
    np_commands_empty_outbox(nest, time);
}

/* A group is one device's: what another one says is not of it, whatever the port meant. */
static void part_group(nplug_nest *nest, uint32_t port)
{
    np_feed_count(&nest->feed.counts.bad_groups);
    np_out_once(&nest->out, NP_ONCE_MIXED, "a group of reports mixed devices, and was parted: port",
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
        if (!np_devices_quick_value(&nest->device.devices, signal, report->data.value)) {
            nest->cancelled |= (report->flags & NPLUG_REPORT_FLAG_CANCELLED) != 0;
            store(nest, signal, report->data.value, time);
        }
        if (!(report->flags & NPLUG_REPORT_FLAG_MORE)) break;
    }
    ++*at;
    run_group(nest, time);
    return true;
}

/* Whether what a port said may be gone on with: no timer was set meanwhile, and events have room.
 */
static bool may_go_on(const nplug_nest *nest, nplug_time due)
{
    return np_timers_next(&nest->out.timers) == due && np_out_has_room(&nest->out);
}

/* One of the reports that wait, as the last one of its group where the next is another device's. */
static nplug_report report_of_group(nplug_nest *nest, uint32_t port, uint32_t place)
{
    const nplug_ring *ring = &nest->feed.ports[port].ring;
    nplug_report report = *np_ring_at(ring, place);

    if (!(report.flags & NPLUG_REPORT_FLAG_MORE) ||
        np_ring_at(ring, place + 1)->device == report.device)
        return report;
    part_group(nest, port);
    report.flags &= (uint8_t)~NPLUG_REPORT_FLAG_MORE;
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
        node = np_devices_node(&nest->device.devices, port << 24 | report.device);
    } while (report.flags & NPLUG_REPORT_FLAG_MORE);
    if (nest->device.devices.touched_count || nest->device.devices.fingers.set ||
        nest->out.outbox.count)
        run_group(nest, time);
    return count;
}

/* Groups of values off the head of a ring, up to a time; where something else ends it within a
 * group, the longer way takes the rest of that, at the group's time.  No node's time is later than
 * what was processed. */
static bool take_values(nplug_nest *nest, uint32_t port, nplug_time until, nplug_time due)
{
    const np_feed_port *from = &nest->feed.ports[port];
    const nplug_report *head = np_ring_at(&from->ring, 0);
    np_row row = {head,
                  head + np_ring_run(&from->ring, from->waiting),
                  nest->feed.processed,
                  until,
                  (uint64_t)port << 32,
                  false};
    bool goes_on = true, whole = true;
    const np_node *node = NULL;

    while (goes_on && whole && (node = np_devices_take(&nest->device.devices, &row)) != NULL) {
        np_feed_advance(&nest->feed, row.processed);
        if (row.over)
            run_group(nest, row.processed);
        else
            whole = take_changes(nest, node, &row.at, row.processed);
        row.over = false;
        goes_on = may_go_on(nest, due);
    }
    np_feed_advance(&nest->feed, row.processed);
    np_feed_took(&nest->feed, port, (uint32_t)(row.at - head));
    if (whole) return goes_on;
    np_feed_took(
        &nest->feed, port,
        take_reports(nest, port, (uint32_t)(node - nest->device.devices.nodes), row.processed));
    return may_go_on(nest, due);
}

/* A number that no device can have: what it says is refused.  Traces have no such numbers: there it
 * is a value of nobody's, which comes to the same. */
static void take_nobody(nplug_nest *nest, uint32_t port, const nplug_report *report)
{
    nplug_report recorded = {0};

    np_feed_count(&nest->feed.counts.unknown_device);
    np_out_once(&nest->out, NP_ONCE_NOBODY,
                "a port's number of a device is too large:", report->device);
    recorded.time = report->time;
    recorded.device = NPLUG_PORT_DEVICE_MAX;
    recorded.signal = UINT16_MAX;
    if (nest->recorder.size) np_record_report(nest, port, &recorded, NP_NONE);
}

static bool is_nobody(const nplug_ring *ring, const nplug_report *report)
{
    return report->device > np_ring_device_max(ring) &&
           (report->device != NPLUG_PORT_DEVICE_ALL || report->kind != NPLUG_REPORT_DROPPED);
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
    node = np_devices_node(&nest->device.devices, port << 24 | head->device);
    if (node != NP_NONE) note_time(nest, node, head->time, time);
    np_feed_took(&nest->feed, port, take_reports(nest, port, node, time));
}

void np_reports_take(nplug_nest *nest, uint32_t port, nplug_time until)
{
    const np_feed_port *from = &nest->feed.ports[port];
    nplug_time due = np_timers_next(&nest->out.timers);

    do {
        if (nest->recorder.size == 0 && !take_values(nest, port, until, due)) return;
        if (!from->waiting || np_feed_time(&nest->feed, port) > until) return;
        take_group(nest, port);
    } while (may_go_on(nest, due) && from->waiting);
}

void np_reports_waited(nplug_nest *nest, uint32_t signal, nplug_time time)
{
    store(nest, signal, np_devices_waited(&nest->device.devices, signal), time);
    run_group(nest, time);
}
