/* Controls: normalised values, and the one rule by which a control is spent.
 *
 * Owns np_controls.  Comes in: raw values.  Goes out: values, edges, what left its rest; between
 * which values nobody is called. */
#include "core/device/device.h"
#include <math.h>
#include <string.h>

void np_controls_layout(np_controls *controls, np_arena *arena, const nplug_limits *limits)
{
    static const np_array arrays[] = {NP_ARRAY(np_controls, list, controls, NP_ARRAY_OF),
                                      NP_ARRAY(np_controls, of_device, devices, NP_ARRAY_OF),
                                      NP_ARRAY(np_controls, wires_of, devices, NP_ARRAY_OF),
                                      NP_ARRAY(np_controls, unready, devices, NP_ARRAY_OF),
                                      NP_ARRAY(np_controls, of_signal, signals, NP_ARRAY_OF),
                                      NP_ARRAY(np_controls, moved, controls, NP_ARRAY_OF)};
    uint32_t wires = limits->controls + limits->controls / 8;

    np_arena_lay(arena, controls, limits, arrays, sizeof arrays / sizeof *arrays);
    controls->wires = (np_wire *)np_arena_take(arena, wires, sizeof(np_wire));
    np_span_layout(&controls->span, arena, limits->controls);
    np_span_layout(&controls->wire_span, arena, wires);
}

/* --- values --------------------------------------------------------------------------------- */

/* A round hat's place, 0 (up) to 7 clockwise; 8 where it is at rest. */
static uint32_t place_of_hat(const np_wire *wire, int32_t raw)
{
    uint32_t place = (uint32_t)raw - (uint32_t)wire->low;
    return raw >= wire->low && place < 8 ? place : 8;
}

/* Whether a round hat is within an eighth of one of its four sides. */
static bool hat_is_at(uint32_t place, uint32_t side)
{
    uint32_t apart = (place + 8u - side) & 7u;
    return place < 8 && (apart <= 1 || apart == 7);
}

static float read_hat(const np_wire *wire, int32_t raw)
{
    uint32_t place = place_of_hat(wire, raw), reading = wire->how & NP_WIRE_READING;
    uint32_t ahead, back;

    if (reading <= NPLUG_READING_ROUND_LEFT)
        return hat_is_at(place, 2u * (reading - NPLUG_READING_ROUND_UP)) ? 1.0f : 0.0f;
    ahead = hat_is_at(place, reading == NPLUG_READING_ROUND_X ? 2 : 0);
    back = hat_is_at(place, reading == NPLUG_READING_ROUND_X ? 6 : 4);
    return (float)ahead - (float)back;
}

static float upwards(float value)
{
    return value > 0.0f ? value : 0.0f;
}

/* What a reading makes of an axis between -1 and 1. */
static float read_axis(uint32_t reading, float value)
{
    switch (reading) {
    case NPLUG_READING_FROM_LOW:
    case NPLUG_READING_HALF_HIGH:
        return upwards(value);
    case NPLUG_READING_FROM_HIGH:
    case NPLUG_READING_HALF_LOW:
        return upwards(0.0f - value);
    case NPLUG_READING_WHEN_LOW:
        return value <= -NP_PRESS ? 1.0f : 0.0f;
    case NPLUG_READING_WHEN_HIGH:
        return value >= NP_PRESS ? 1.0f : 0.0f;
    default:
        return value;
    }
}

#define RADIANS_A_DEGREE 0.017453293f
#define GRAVITY          9.80665f /* m/s^2: the standard one (ISO 80000-3) */

/* What is not held to [-1, 1]; a sensor's low end says whether it turns, its high end how many
 * counts are one. */
static float read_scaled(const np_wire *wire, int32_t raw)
{
    bool sensed = (wire->how & NP_WIRE_READING) == NPLUG_READING_SENSED;
    int64_t from_rest = (int64_t)raw - (sensed ? wire->rest : 0);
    float counts = wire->high > 0 ? (float)from_rest / (float)wire->high : 0.0f;

    if (!sensed) return counts;
    return counts * (wire->low ? RADIANS_A_DEGREE : GRAVITY);
}

/* What is no axis between two ends. */
static float read_other(const np_wire *wire, int32_t raw)
{
    uint32_t reading = wire->how & NP_WIRE_READING;

    if (wire->how & NP_WIRE_UNMOVED && raw == 0) return 0.0f;
    if (wire->how & NP_WIRE_BUTTON) return raw != wire->rest ? 1.0f : 0.0f;
    if (wire->how & NP_WIRE_DELTA)
        return (float)(int32_t)((uint32_t)raw - (uint32_t)wire->rest) / (float)wire->high;
    if (reading == NPLUG_READING_PRESENT) return raw >= 0 ? 1.0f : 0.0f;
    if (reading >= NPLUG_READING_SCALED) return read_scaled(wire, raw);
    if (reading >= NPLUG_READING_ROUND_UP) return read_hat(wire, raw);
    return read_axis(reading, np_number_normal(wire->low, wire->rest, wire->high, raw));
}

/* Nearly all that moves is a plain axis. */
static inline bool is_plain(const np_wire *wire)
{
    return (wire->how & ~NP_WIRE_REVERSED) == NPLUG_READING_WHOLE;
}

static inline float read_wire(const np_wire *wire, int32_t raw)
{
    float value;

    if (np_wire_is_share(wire, raw)) return np_wire_share(wire, raw);
    value = is_plain(wire) ? np_number_normal(wire->low, wire->rest, wire->high, raw)
                           : read_other(wire, raw);
    return wire->how & NP_WIRE_REVERSED ? 0.0f - value : value;
}

float np_wire_value(const np_wire *wire, int32_t raw)
{
    return read_wire(wire, raw);
}

bool np_wire_jumps(const np_wire *wire)
{
    uint32_t reading = wire->how & NP_WIRE_READING;

    return (wire->how & (NP_WIRE_BUTTON | NP_WIRE_UNMOVED)) != 0 ||
           (reading >= NPLUG_READING_ROUND_UP && reading <= NPLUG_READING_ROUND_Y);
}

/* Levers, places and poses have no rest to come back to. */
static bool at_rest(const np_control *control)
{
    if (control->flags & NP_CONTROL_LEVER || control->nature == NPLUG_NATURE_POSITION ||
        control->nature == NPLUG_NATURE_POSE || control->nature == NPLUG_NATURE_SENSOR)
        return true;
    return fabsf(control->value[0]) < NP_REST && fabsf(control->value[1]) < NP_REST;
}

/* The hardware says 0 until it is first moved, and then it says something else. */
static void note_moved(np_wire *wire, int32_t raw)
{
    if (wire->how & NP_WIRE_UNMOVED && raw != 0 && raw != wire->rest)
        wire->how &= (uint16_t)~NP_WIRE_UNMOVED;
}

/* One that is at rest is spent no more; what moves while it is muted is spent. */
static void note_rest(np_control *control)
{
    bool spent = (control->flags & NP_CONTROL_SPENT) != 0;

    if (control->nature == NPLUG_NATURE_DELTA) return; /* its rest is a pause */
    if (spent == at_rest(control)) control->flags ^= NP_CONTROL_SPENT;
}

static float stronger(float a, float b)
{
    return fabsf(b) > fabsf(a) ? b : a;
}

/* The strongest of all that feed the same as one of a control's wires. */
static float read_shared(const np_controls *controls, const np_devices *devices,
                         const np_wire *shared)
{
    np_run run = controls->wires_of[controls->list[shared->control].device];
    const np_wire *wire = &controls->wires[run.first], *end = wire + run.count;
    float value = 0.0f;

    for (; wire < end; wire++)
        if (wire->control == shared->control && wire->component == shared->component)
            value = stronger(value, read_wire(wire, devices->raw[wire->signal]));
    return value;
}

static inline void set(np_controls *controls, const np_devices *devices, np_wire *wire, int32_t raw)
{
    np_control *control = &controls->list[wire->control];

    if (wire->component > 1) return; /* a pose is read when it is asked for */
    if (!is_plain(wire) && wire->how != NPLUG_READING_FROM_LOW) note_moved(wire, raw);
    control->value[wire->component] =
        wire->how & NP_WIRE_SHARED ? read_shared(controls, devices, wire) : read_wire(wire, raw);
    if (control->flags & (NP_CONTROL_SPENT | NP_CONTROL_MUTED)) note_rest(control);
}

void np_controls_set(np_controls *controls, const np_devices *devices, uint32_t index,
                     uint32_t signal)
{
    set(controls, devices, &controls->wires[index], devices->raw[signal]);
}

nplug_vec2 np_controls_value(const np_controls *controls, const np_devices *devices, uint32_t index)
{
    const np_control *control = &controls->list[index];
    np_run run = controls->wires_of[control->device];
    const np_wire *wire = &controls->wires[run.first], *end = wire + run.count;
    float value[2] = {control->value[0], control->value[1]};

    for (; control->nature == NPLUG_NATURE_POSITION && wire < end; wire++)
        if (wire->control == index && wire->component < 2)
            value[wire->component] = wire->how & NP_WIRE_SHARED
                                         ? read_shared(controls, devices, wire)
                                         : read_wire(wire, devices->raw[wire->signal]);
    return (nplug_vec2){value[0], value[1]};
}

/* An axis that rests at one end lies at the other: within an eighth of its way. */
static bool lies_at_other_end(const np_wire *wire, int32_t raw)
{
    int64_t way = (int64_t)wire->high - wire->low;
    uint32_t reading = wire->how & NP_WIRE_READING;

    if (way <= 0 || (wire->how & NP_WIRE_BUTTON)) return false;
    if (reading == NPLUG_READING_FROM_LOW) return 8 * ((int64_t)raw - wire->low) >= 7 * way;
    return reading == NPLUG_READING_FROM_HIGH && 8 * ((int64_t)raw - wire->low) <= way;
}

/* An axis that rests at an end is read from the end that it rests nearer to. */
static void follow_side(np_wire *wire)
{
    uint32_t reading = wire->how & NP_WIRE_READING;
    bool high = (int64_t)wire->rest - wire->low > (int64_t)wire->high - wire->rest;

    if (reading != NPLUG_READING_FROM_LOW && reading != NPLUG_READING_FROM_HIGH) return;
    wire->how &= (uint16_t)~NP_WIRE_READING;
    wire->how |= high ? NPLUG_READING_FROM_HIGH : NPLUG_READING_FROM_LOW;
}

static void turn_round(np_controls *controls, np_wire *wire)
{
    wire->rest = (wire->how & NP_WIRE_READING) == NPLUG_READING_FROM_LOW ? wire->high : wire->low;
    follow_side(wire);
    controls->list[wire->control].flags |= NP_CONTROL_LIES;
}

bool np_controls_ask(np_controls *controls, np_devices *devices, uint32_t signal)
{
    np_run run = controls->of_signal[signal];
    uint8_t known = devices->signals[signal].rests;
    int32_t raw = devices->raw[signal];
    bool turned = false;

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        np_wire *wire = &controls->wires[w];
        bool asks = (wire->how & NP_WIRE_ASKS) != 0;
        if (!asks || known == NP_RESTS_THERE) continue;
        if (known == NP_RESTS_UNASKED && !lies_at_other_end(wire, raw)) continue;
        turn_round(controls, wire);
        turned = true;
    }
    if (known == NP_RESTS_UNASKED)
        np_devices_found_rest(devices, signal, turned ? NP_RESTS_OTHERWISE : NP_RESTS_THERE);
    return turned;
}

static bool is_near_middle(const np_controls *controls, const np_wire *wire, int32_t raw)
{
    if (!(controls->list[wire->control].flags & NP_CONTROL_BOTH)) return true;
    if (controls->list[wire->control].flags & NP_CONTROL_LEVER) return true;
    return fabsf(read_wire(wire, raw)) < NP_REST;
}

bool np_controls_lies_still(const np_controls *controls, const np_devices *devices, uint32_t node)
{
    const np_node *about = &devices->nodes[node];
    uint32_t known = 0;

    for (uint32_t i = about->first_signal; i < about->first_signal + about->signals; i++) {
        np_run run = controls->of_signal[i];
        if (devices->flags[i] & NP_SIGNAL_SILENT) continue;
        known += devices->signals[i].nature == NPLUG_NATURE_AXIS && run.count != 0;
        for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++)
            if (!is_near_middle(controls, &controls->wires[w], devices->raw[i])) return false;
    }
    return known >= 2;
}

void np_controls_lie(np_controls *controls, uint32_t signal, bool lies)
{
    np_run run = controls->of_signal[signal];

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        uint16_t *flags = &controls->list[controls->wires[w].control].flags;
        *flags = (uint16_t)(lies ? *flags | NP_CONTROL_LIES : *flags & ~NP_CONTROL_LIES);
    }
}

void np_controls_calibrate(np_controls *controls, uint32_t signal, int32_t rest, int32_t low,
                           int32_t high)
{
    np_run run = controls->of_signal[signal];

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        controls->wires[w].rest = rest;
        if ((controls->wires[w].how & NP_WIRE_READING) == NPLUG_READING_SENSED) continue;
        controls->wires[w].low = low;
        controls->wires[w].high = high;
        follow_side(&controls->wires[w]);
    }
}

void np_controls_mute_kinds(np_controls *controls, uint32_t kinds)
{
    controls->muted_kinds = kinds;
}

void np_controls_deafen_kinds(np_controls *controls, uint32_t kinds)
{
    controls->deaf_kinds = kinds;
}

bool np_controls_mute(np_controls *controls, uint32_t device, nplug_device_kind kind, bool asleep)
{
    uint32_t kinds = controls->muted_kinds | controls->deaf_kinds;
    uint16_t muted = asleep || (kinds >> kind) & 1u ? NP_CONTROL_MUTED : 0;
    np_run run = controls->of_device[device];
    bool news = false;

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        uint16_t *flags = &controls->list[i].flags;
        if ((*flags & NP_CONTROL_MUTED) == muted) continue;
        *flags ^= NP_CONTROL_MUTED;
        news = true;
    }
    return news;
}

np_edge np_controls_edge(np_controls *controls, uint32_t index)
{
    np_control *control = &controls->list[index];
    bool was = (control->flags & NP_CONTROL_DOWN) != 0;
    bool is = control->value[0] >= (was ? NP_RELEASE : NP_PRESS);

    if (control->components != 1 || control->nature == NPLUG_NATURE_DELTA || was == is)
        return NP_EDGE_NONE;
    control->flags ^= NP_CONTROL_DOWN;
    return is ? NP_EDGE_PRESS : NP_EDGE_RELEASE;
}

static bool has_rest(const np_control *control)
{
    return control->nature == NPLUG_NATURE_AXIS && !(control->flags & NP_CONTROL_LEVER);
}

bool np_controls_leave(np_controls *controls, uint32_t index)
{
    np_control *control = &controls->list[index];

    if (!(control->flags & NP_CONTROL_READY)) return false;
    if (fabsf(control->value[0]) < NP_AWAY && fabsf(control->value[1]) < NP_AWAY) return false;
    control->flags &= (uint16_t)~NP_CONTROL_READY;
    controls->unready[control->device] = NP_UNREADY_SOME;
    return true;
}

/* Below 0 a little less far than up to there: an interval's ends belong to it or not as it happens.
 */
void np_controls_guard_leave(const np_control *control, np_interval *interval)
{
    if (control->flags & NP_CONTROL_READY)
        np_interval_narrow(interval, NP_AWAY * -0.999999f, NP_AWAY);
}

/* Whether a wire's axis is away from its rest, as its signal says. */
static bool is_away(const np_controls *controls, const np_wire *wire, int32_t raw)
{
    return has_rest(&controls->list[wire->control]) && fabsf(read_wire(wire, raw)) >= NP_BACK;
}

bool np_controls_any_away(const np_controls *controls, const np_devices *devices, uint32_t device)
{
    np_run run = controls->wires_of[device];
    const np_wire *wire = &controls->wires[run.first], *end = wire + run.count;
    bool away = false;

    for (; wire < end; wire++)
        away |= is_away(controls, wire, devices->raw[wire->signal]);
    return away;
}

float np_controls_distance(const np_controls *controls, const np_devices *devices, uint32_t device)
{
    np_run run = controls->wires_of[device];
    const np_wire *wire = &controls->wires[run.first], *end = wire + run.count;
    float sum = 0.0f;

    for (; wire < end; wire++) {
        const np_control *control = &controls->list[wire->control];
        if (wire->how & NP_WIRE_BUTTON || !has_rest(control)) continue;
        if (control->flags & NP_CONTROL_ASIDE) continue;
        sum += fabsf(read_wire(wire, devices->raw[wire->signal]));
    }
    return sum;
}

static bool is_unready(const np_control *control)
{
    return has_rest(control) && !(control->flags & NP_CONTROL_READY);
}

/* Marks those of its axes that are away. */
static void find_far(np_controls *controls, const np_devices *devices, np_run run)
{
    const np_wire *wire = &controls->wires[run.first], *end = wire + run.count;

    for (; wire < end; wire++) {
        np_control *control = &controls->list[wire->control];
        if (wire->how & NP_WIRE_BUTTON || !is_unready(control)) continue;
        if (is_away(controls, wire, devices->raw[wire->signal])) control->flags |= NP_CONTROL_FAR;
    }
}

/* Somebody must see those that are not leave their rest, from where they are now. */
static void watch(np_controls *controls, np_devices *devices, np_run run)
{
    np_wire *wire = &controls->wires[run.first], *end = wire + run.count;

    for (; wire < end; wire++) {
        const np_control *control = &controls->list[wire->control];
        if (!is_unready(control) || control->flags & NP_CONTROL_FAR) continue;
        set(controls, devices, wire, devices->raw[wire->signal]);
        np_devices_guard(devices, wire->signal, false, 0, 0);
    }
}

void np_controls_make_ready(np_controls *controls, np_devices *devices, uint32_t device)
{
    np_run run = controls->of_device[device];
    bool all = true;

    find_far(controls, devices, controls->wires_of[device]);
    watch(controls, devices, controls->wires_of[device]);
    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        uint16_t *flags = &controls->list[i].flags;
        if (is_unready(&controls->list[i]) && !(*flags & NP_CONTROL_FAR))
            *flags |= NP_CONTROL_READY;
        all &= !is_unready(&controls->list[i]);
        *flags &= (uint16_t)~NP_CONTROL_FAR;
    }
    controls->unready[device] = all ? NP_UNREADY_NONE : NP_UNREADY_SOME;
}

void np_controls_make_unready(np_controls *controls, uint32_t device)
{
    np_run run = controls->of_device[device];

    if (controls->unready[device] == NP_UNREADY_ALL) return;
    controls->unready[device] = NP_UNREADY_ALL;
    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        controls->list[i].flags &= (uint16_t)~NP_CONTROL_READY;
}

void np_controls_pull(np_controls *controls, uint32_t index, bool pulled)
{
    uint16_t *flags = &controls->list[index].flags;

    *flags = (uint16_t)(pulled ? *flags | NP_CONTROL_PULLED : *flags & ~NP_CONTROL_PULLED);
}

void np_controls_deal(np_controls *controls, uint32_t index, uint8_t part)
{
    controls->list[index].part = part;
}

static void mark_moved(np_controls *controls, uint32_t index)
{
    np_control *control = &controls->list[index];

    if (control->flags & NP_CONTROL_MOVED) return;
    control->flags |= NP_CONTROL_MOVED;
    controls->moved[controls->moved_count++] = (uint16_t)index;
}

void np_controls_spend(np_controls *controls, uint32_t index, bool in_motion)
{
    np_control *control = &controls->list[index];
    bool rests = control->nature == NPLUG_NATURE_DELTA ? !in_motion : at_rest(control);

    if (!rests) control->flags |= NP_CONTROL_SPENT;
}

void np_controls_spend_part(np_controls *controls, uint32_t device, uint32_t part, bool in_motion)
{
    np_run run = controls->of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        if (part == NP_ALL_PARTS || controls->list[i].part == part)
            np_controls_spend(controls, i, in_motion);
}

void np_controls_refresh(np_controls *controls, const np_devices *devices, uint32_t device)
{
    np_run run = controls->wires_of[device];
    np_wire *wire = &controls->wires[run.first], *end = wire + run.count;

    for (; wire < end; wire++) {
        if (wire->how & NP_WIRE_DELTA) wire->rest = devices->raw[wire->signal];
        set(controls, devices, wire, devices->raw[wire->signal]);
    }
}

void np_controls_hear_delta(np_controls *controls, const np_devices *devices, uint32_t signal,
                            nplug_time time)
{
    np_run run = controls->of_signal[signal];

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        np_control *control = &controls->list[controls->wires[w].control];
        if (control->flags & NP_CONTROL_MUTED)
            control->flags |= NP_CONTROL_SPENT;
        else if (!np_devices_in_motion(devices, control->device, time))
            control->flags &= (uint16_t)~NP_CONTROL_SPENT;
    }
}

/* A delta tells what it moved since the last value lane, and starts again from here. */
static bool settle_delta(np_wire *wire, int32_t raw)
{
    bool moved = raw != wire->rest;
    wire->rest = raw;
    return moved;
}

static void settle_signal(np_controls *controls, np_devices *devices, uint32_t signal)
{
    np_run run = controls->of_signal[signal];
    np_wire *wire = &controls->wires[run.first], *end = wire + run.count;
    int32_t raw = devices->raw[signal];

    for (; wire < end; wire++) {
        set(controls, devices, wire, raw);
        mark_moved(controls, wire->control);
        if (wire->how & NP_WIRE_DELTA && settle_delta(wire, raw))
            np_devices_redirty(devices, signal);
    }
}

/* Signals that are dirty again are written to the list's head, never beyond what was read. */
void np_controls_settle(np_controls *controls, np_devices *devices)
{
    uint32_t count = devices->dirty_count;

    np_devices_clean(devices);
    for (uint32_t i = 0; i < count; i++)
        settle_signal(controls, devices, devices->dirty[i]);
}

void np_controls_clean(np_controls *controls)
{
    for (uint32_t i = 0; i < controls->moved_count; i++)
        controls->list[controls->moved[i]].flags &= (uint16_t)~NP_CONTROL_MOVED;
    controls->moved_count = 0;
}

bool np_controls_guard(const np_control *control, np_interval *interval)
{
    interval->at_least = NP_ANYWHERE_LOW;
    interval->below = NP_ANYWHERE_HIGH;
    if (control->nature == NPLUG_NATURE_DELTA) return false;
    if (control->flags & NP_CONTROL_SPENT) return false;
    if (control->nature == NPLUG_NATURE_SENSOR) interval->below = -(interval->at_least = -1e9f);
    if (control->components != 1) return true;
    if (control->flags & NP_CONTROL_DOWN)
        interval->at_least = NP_RELEASE;
    else
        interval->below = NP_PRESS;
    return true;
}

uint32_t np_controls_next(const np_controls *controls, uint32_t control)
{
    const np_control *was = &controls->list[control];
    np_run run = controls->of_device[was->device];

    for (uint32_t i = control + 1; i < (uint32_t)run.first + run.count; i++)
        if (controls->list[i].id == was->id) return i;
    return NP_NONE;
}

uint32_t np_controls_find(const np_controls *controls, uint32_t device, nplug_control id)
{
    np_run run = controls->of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        if (controls->list[i].id == id) return i;
    return NP_NONE;
}

bool np_controls_place(const np_controls *controls, const np_devices *devices, uint32_t device,
                       nplug_control id, nplug_vec2 *place)
{
    uint32_t control = np_controls_find(controls, device, id);
    np_run run = controls->wires_of[device];

    for (uint32_t w = run.first; control != NP_NONE && w < (uint32_t)run.first + run.count; w++) {
        const np_wire *wire = &controls->wires[w];
        float value;
        if (wire->control != control) continue;
        value = np_wire_value(wire, devices->raw[wire->signal]);
        if (wire->component)
            place->y = value;
        else
            place->x = value;
    }
    return control != NP_NONE;
}
