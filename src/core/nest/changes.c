/* Changes: what one device said at one moment passes all rooms, in their order.
 *
 * Owns nothing.  Comes in: touched signals, notches, movement.  Goes out: the edge lane of each. */
#include "core/nest/nest.h"

/* A pick hears before all others; what it takes is spent. */
static void hear_pick(nplug_nest *nest, const np_change *change)
{
    if (np_pick_hear(&nest->action, change))
        np_controls_spend(&nest->device.controls, change->control, false);
    if (!nest->action.pick.waits) np_wake_pick(nest);
}

/* What the edge lane does with one control that has a new value: every room in its order. */
static void run_wire(nplug_nest *nest, const np_wire *wire, uint32_t signal, nplug_time time)
{
    np_controls *controls = &nest->device.controls;
    const np_control *control = &controls->list[wire->control];
    np_change change = {time, wire->control,
                        np_devices_handle(&nest->device.devices, control->device), control->id,
                        nest->cancelled};
    np_edge edge = np_controls_edge(controls, wire->control);
    bool left;

    if (control->flags & (NP_CONTROL_LEVER | NP_CONTROL_BOTH)) edge = NP_EDGE_NONE;
    if (edge == NP_EDGE_PRESS &&
        nest->device.devices.nodes[nest->device.devices.signals[signal].node].resyncing)
        np_controls_spend(controls, wire->control, false);
    if (edge == NP_EDGE_PRESS) np_duplicates_hear(&nest->device, change.device, change.id, time);
    if (nest->action.pick.waits) hear_pick(nest, &change);
    if (np_players_hear(&nest->player, &change, edge))
        np_controls_spend(controls, wire->control, false);
    left = np_controls_leave(controls, wire->control);
    if (np_active_hear(&nest->player, &change, edge, left))
        np_controls_pull(controls, wire->control, true);
    np_sources_hear(&nest->action, &change);
    np_pointers_hear(&nest->player, &change, edge);
    np_players_hear_hand(&nest->player, &change, edge);
}

/* The first that a node says, where it says how it lies and not what somebody does, tells where its
 * axes rest. */
static void ask_rest(nplug_nest *nest, uint32_t signal)
{
    uint32_t node = nest->device.devices.signals[signal].node;
    const np_node *about = &nest->device.devices.nodes[node];

    if (about->began != about->last + 1 ||
        !np_controls_lies_still(&nest->device.controls, &nest->device.devices, node))
        np_devices_found_rest(&nest->device.devices, signal, NP_RESTS_THERE);
    else if (np_controls_ask(&nest->device.controls, &nest->device.devices, signal))
        np_calibrate_rests(&nest->device, signal);
}

/* A contact that begins belongs to the part of the surface in which it does. */
static void deal_contacts(nplug_nest *nest)
{
    const np_fingers *fingers = &nest->device.devices.fingers;
    uint32_t device = nest->device.devices.nodes[fingers->node].device;
    np_controls *controls = &nest->device.controls;
    unsigned above = NPLUG_TOUCH_CONTACT_DOWN - NPLUG_TOUCH_CONTACT;

    if (nest->player.players.parts[device].parts == 0) return;
    for (uint32_t n = 1; n <= NP_FINGERS; n++) {
        np_finger finger = {0};
        uint8_t part;
        if (!((fingers->set >> n) & 1u)) continue;
        if (!np_finger_look(&nest->device, device, n, &finger) || !finger.down ||
            np_contacts_find(&nest->device.contacts, device, n) != NP_NONE)
            continue;
        part = np_zones_part(&nest->action, device, finger.place);
        np_controls_deal(controls,
                         np_controls_find(controls, device, NPLUG_CONTROL(NPLUG_CLASS_TOUCH, n)),
                         part);
        np_controls_deal(
            controls,
            np_controls_find(controls, device, NPLUG_CONTROL(NPLUG_CLASS_TOUCH, n + above)), part);
    }
}

/* Gives the controls of all touched signals their values. */
static void set_group(nplug_nest *nest)
{
    const np_devices *devices = &nest->device.devices;

    for (uint32_t i = 0; i < devices->touched_count; i++) {
        np_run run = nest->device.controls.of_signal[devices->touched[i]];
        if (devices->signals[devices->touched[i]].rests == NP_RESTS_UNASKED)
            ask_rest(nest, devices->touched[i]);
        for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++)
            np_controls_set(&nest->device.controls, devices, w, devices->touched[i]);
        if (devices->signals[devices->touched[i]].finger)
            np_devices_note_finger(&nest->device.devices, devices->touched[i],
                                   devices->signals[devices->touched[i]].finger);
    }
}

/* All that one device said at one moment is one change: every control has its new value before any
 * stage looks at one. */
void np_changes_run(nplug_nest *nest, nplug_time time)
{
    const np_devices *devices = &nest->device.devices;

    if (devices->touched_count == 0) return;
    np_nest_advance(nest, time);
    set_group(nest);
    if (devices->fingers.set) deal_contacts(nest);
    for (uint32_t i = 0; i < devices->touched_count; i++) {
        np_run run = nest->device.controls.of_signal[devices->touched[i]];
        for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++)
            run_wire(nest, &nest->device.controls.wires[w], devices->touched[i], time);
        np_guards_renew(nest, devices->touched[i]);
    }
    np_devices_untouch(&nest->device.devices);
}

/* Whatever a pick takes from the game is spent before it moves. */
static void spend_for_pick(nplug_nest *nest, np_run run)
{
    np_controls *controls = &nest->device.controls;

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++)
        if (np_pick_takes(&nest->action, &controls->list[controls->wires[w].control]))
            np_controls_spend(controls, controls->wires[w].control, true);
}

/* A notch is a pick's, or pressed and let go at once. */
void np_changes_strike(nplug_nest *nest, const np_change *change, uint16_t way, bool spent)
{
    if (np_pick_notch(&nest->action, change, way)) {
        np_controls_spend(&nest->device.controls, change->control, true);
        np_wake_pick(nest);
    } else if (!spent) {
        np_sources_strike(&nest->action, change, way);
    }
}

static void turn_wheel(nplug_nest *nest, uint32_t index, int32_t value, nplug_time time)
{
    const np_wire *wire = &nest->device.controls.wires[index];
    const np_control *control = &nest->device.controls.list[wire->control];
    np_change change = {time, wire->control, 0, control->id, false};
    bool spent = (control->flags & NP_CONTROL_SPENT) != 0;
    int32_t notches;

    if (!np_notches_has(control->id)) return;
    if (spent && !np_pick_takes(&nest->action, control)) return;
    change.device = np_devices_handle(&nest->device.devices, control->device);
    notches = np_notches_turn(&nest->device.controls, index, value);
    for (int32_t i = notches < 0 ? -notches : notches; i > 0; i--)
        np_changes_strike(nest, &change, np_notches_way(wire, notches), spent);
}

/* Something that moves without ends begins a movement or goes on, whatever way. */
static void begin_delta(nplug_nest *nest, uint32_t signal, nplug_time time)
{
    np_nest_advance(nest, time);
    np_controls_hear_delta(&nest->device.controls, &nest->device.devices, signal, time);
    spend_for_pick(nest, nest->device.controls.of_signal[signal]);
}

static void note_motion(nplug_nest *nest, uint32_t signal, nplug_time time)
{
    np_devices *devices = &nest->device.devices;
    np_devices_note_motion(devices, devices->nodes[devices->signals[signal].node].device, time);
}

/* What moves without ends is heard at once: its values are sums. */
void np_changes_delta(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    np_run run = nest->device.controls.of_signal[signal];

    if (value == 0) return;
    begin_delta(nest, signal, time);
    np_active_hear_delta(&nest->player, signal, value, time);
    note_motion(nest, signal, time);
    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++)
        turn_wheel(nest, w, value, time);
    np_motions_add_delta(&nest->action, signal, value);
}

void np_changes_pair(nplug_nest *nest, uint32_t signal, const int32_t by[2], nplug_time time)
{
    if (by[0] == 0 && by[1] == 0) return;
    begin_delta(nest, signal, time);
    np_active_hear_pair(&nest->player, signal, by, time);
    note_motion(nest, signal, time);
    np_motions_add_pair(&nest->action, signal, by);
}
