/* The corridor: the order in which everything that is due passes through the rooms.
 *
 * Owns nothing.  Comes in: the clock.  Goes out: one step. */
#include "core/nest/nest.h"

/* Looks at what is being moved: an axis that has come to rest may begin a movement again, and the
 * one that was is over.  No port says anything before `silence` ends. */
static void look(nplug_nest *nest, nplug_time time, nplug_time silence)
{
    np_device_room *room = &nest->device;
    bool any = np_active_look(&nest->player);

    for (uint32_t i = 0; i < room->devices.count; i++) {
        uint32_t device = room->devices.order[i];
        if (!np_active_may_begin(&nest->player, device)) continue;
        np_controls_make_ready(&room->controls, &room->devices, device);
        np_active_look_at(&nest->player, device, time);
    }
    np_active_looked(&nest->player, any, time, silence);
}

/* The earliest timer; no port says anything before `silence` ends. */
static void fire_timer(nplug_nest *nest, nplug_time silence)
{
    np_timer timer = np_timers_take(&nest->out.timers);

    np_feed_advance(&nest->feed, timer.due);
    np_nest_advance(nest, timer.due);
    if (timer.kind == NP_TIMER_WOBBLE || timer.kind == NP_TIMER_WAIT ||
        timer.kind == NP_TIMER_CONTEST)
        np_nest_note_change(nest);
    if (timer.kind == NP_TIMER_HOLD) {
        np_gestures_lasted(&nest->action, timer.a, timer.b, timer.due);
    } else if (timer.kind == NP_TIMER_TAP) {
        np_gestures_settled(&nest->action, timer.a, timer.b, timer.due);
    } else if (timer.kind == NP_TIMER_PICK) {
        np_pick_stop(&nest->action, NPLUG_EVENT_FLAG_LATE, timer.due);
        np_wake_pick(nest);
    } else if (timer.kind == NP_TIMER_WOBBLE) {
        np_hotplug_gone(nest, timer.b, timer.due);
    } else if (timer.kind == NP_TIMER_WAIT) {
        np_players_waited(&nest->player, timer.b);
        np_wake_players(nest, timer.due);
    } else if (timer.kind == NP_TIMER_CONTEST) {
        np_active_decide(&nest->player, timer.a, timer.b, timer.due);
        np_wake_players(nest, timer.due);
    } else if (timer.kind == NP_TIMER_LOOK) {
        look(nest, timer.due, silence);
    } else if (timer.kind == NP_TIMER_CALIBRATE) {
        np_calibrate_sample(&nest->device, timer.due, silence);
    } else if (timer.kind == NP_TIMER_BOUNCE) {
        np_reports_waited(nest, timer.b, timer.due);
    } else if (timer.kind == NP_TIMER_EFFECT) {
        np_effects_over(&nest->feed, &nest->out, timer.b, timer.due);
    }
    np_commands_empty_outbox(nest, timer.due);
}

/* Everything due up to `now`, in time order; false where events ran out of room. */
static bool run_edges(nplug_nest *nest, nplug_time now)
{
    while (np_out_has_room(&nest->out)) {
        nplug_time until, due = np_timers_next(&nest->out.timers);
        uint32_t port = np_feed_next(&nest->feed, now, &until);

        if (nest->out.timers.count && due <= now &&
            (port == NP_NONE || due <= np_feed_time(&nest->feed, port))) {
            fire_timer(nest, port == NP_NONE ? now : np_feed_time(&nest->feed, port));
            continue;
        }
        if (port == NP_NONE) return true;
        np_reports_take(nest, port, nest->out.timers.count && due <= until ? due - 1 : until);
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
        np_queue_put(&nest->posted, &command);
    }
}

/* What rings refused since they were opened. */
static void note_rings(nplug_nest *nest)
{
    for (uint32_t i = 0; i < nest->feed.port_count; i++)
        if (np_ring_bad_groups(&nest->feed.ports[i].ring))
            np_out_once(&nest->out, NP_ONCE_GROUP,
                        "a group of reports never ended, and was thrown away: port", i);
}

static void ask_resyncs(nplug_nest *nest)
{
    uint32_t node;

    while ((node = np_devices_next_stale(&nest->device.devices)) != NP_NONE)
        np_feed_resync(&nest->feed, nest->device.devices.nodes[node].key);
}

nplug_result nplug_step(nplug_nest *nest, nplug_time now)
{
    bool whole;

    if (!nest) return NPLUG_ERR_ARGUMENT;
    if (now < nest->feed.processed) now = nest->feed.processed;
    nest->started = true;
    np_out_begin(&nest->out);
    np_action_begin(&nest->action);
    np_contacts_begin_step(&nest->device.contacts);
    np_hotplug_detach(nest, now);
    if (nest->key_labels_due) np_hotplug_ask_all_labels(nest, nest->feed.processed);
    np_feed_pump(&nest->feed, now);
    note_clocks(nest, now);
    whole = np_commands_take(nest) && run_edges(nest, now);
    np_feed_release(&nest->feed);
    if (whole) np_feed_advance(&nest->feed, now);
    np_wake_settle(nest, nest->feed.processed);
    np_motions_settle(&nest->action, nest->feed.processed);
    ask_resyncs(nest);
    note_rings(nest);
    np_out_end(&nest->out, nest->feed.processed);
    np_record_step(nest, nest->feed.processed);
    return whole ? NPLUG_OK : NPLUG_AGAIN;
}
