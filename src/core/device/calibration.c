/* Calibration: rests and ranges of single axes, sampled on a timer.
 *
 * Owns np_calibrations.  Comes in: raw values, time, commands.  Goes out: other rests and ends of
 * wires, with their guards emptied. */
#include "core/device/device.h"
#include <string.h>

#define TICK        50000u /* microseconds between two samples */
#define QUIET_TICKS 18u    /* within a second */

/* A turn rate is that of a pad which nobody holds, in degrees a second: all of a second's samples
 * are so near to each other, and so near to 0.  (Chosen: sensors tremble by tenths of a degree and
 * lie some degrees off; a hand that holds still trembles by more.) */
#define STILL_BAND  2
#define STILL_BOUND 10

/* The slowest that is found takes a 24th of a range in 200ths, a round of quiet each. */
#define STEADY_TICKS (12u * QUIET_TICKS)

void np_calibrate_begin(np_calibrations *calibrations, bool follow)
{
    calibrations->follow = follow;
}

/* --- the wires of a axis's signal ----------------------------------------------------------- */

/* The first that reads a signal as an axis, else the first. */
static const np_wire *axis_of(const np_device_room *room, uint32_t signal)
{
    np_run run = room->controls.of_signal[signal];
    const np_wire *wires = &room->controls.wires[run.first];

    for (uint32_t w = 0; w < run.count; w++)
        if ((wires[w].how & NP_WIRE_READING) != NPLUG_READING_SENSED) return &wires[w];
    return wires;
}

static const np_wire *first_wire(const np_device_room *room, const np_calibrated *axis)
{
    return axis_of(room, axis->signal);
}

/* All wires of a signal get the same rest and ends; nobody's guard holds any more. */
static void set_wires(np_device_room *room, const np_calibrated *axis, int32_t rest, int32_t low,
                      int32_t high)
{
    np_controls_calibrate(&room->controls, axis->signal, rest, low, high);
    if (room->devices.flags[axis->signal] & NP_SIGNAL_SILENT)
        np_devices_rest(&room->devices, axis->signal, rest);
    np_devices_redirty(&room->devices, axis->signal);
    np_devices_unguard(&room->devices, axis->device);
    room->calibrations.steady = 0;
}

static bool can_be_calibrated(const np_device_room *room, uint32_t signal)
{
    np_run run = room->controls.of_signal[signal];
    const np_wire *wire = axis_of(room, signal);
    uint32_t reading = wire->how & NP_WIRE_READING;

    if (run.count == 0 || wire->how & NP_WIRE_SHARED) return false;
    if (np_control_is_felt_motion(room->controls.list[wire->control].id))
        return np_control_is_turn_rate(room->controls.list[wire->control].id);
    if (room->devices.signals[signal].space == NPLUG_SPACE_ZONE) return false;
    if (room->devices.signals[signal].nature != NPLUG_NATURE_AXIS) return false;
    if (room->controls.list[wire->control].flags & NP_CONTROL_LEVER) return false;
    return reading == NPLUG_READING_WHOLE || reading == NPLUG_READING_FROM_LOW ||
           reading == NPLUG_READING_FROM_HIGH || reading == NPLUG_READING_HALF_LOW ||
           reading == NPLUG_READING_HALF_HIGH;
}

/* --- coming and going ------------------------------------------------------------------------ */

/* Time ends before its next tick at the very last. */
static void tick(np_device_room *room, nplug_time time)
{
    nplug_time due = (time / TICK + 1) * TICK;

    if (room->calibrations.ticking || due < time) return;
    room->calibrations.ticking = np_timers_set(&room->out->timers, due, NP_TIMER_CALIBRATE, 0, 0);
}

/* Where nothing has moved for so long that nothing would be found any more, the samples of a
 * silence are all alike: whole rounds of quiet are left out. */
static nplug_time skip(const np_device_room *room, nplug_time time, nplug_time silence)
{
    nplug_time round = (nplug_time)QUIET_TICKS * TICK;

    if (room->calibrations.steady < STEADY_TICKS || silence < time) return time;
    return time + (silence - time) / round * round;
}

uint64_t np_calibrate_key(const np_device *device)
{
    uint16_t numbers[3] = {device->bus, device->vendor, device->product};
    np_digest digest = {NP_HASH_START};

    if (device->identity) return device->identity;
    for (unsigned i = 0; i < 3; i++)
        np_digest_u64(&digest, numbers[i]);
    return digest.hash | 1u;
}

/* What is known of this axis from before. */
static void use_known(np_device_room *room, np_calibrated *axis)
{
    uint64_t key = np_calibrate_key(&room->devices.list[axis->device]);
    const np_signal *about = &room->devices.signals[axis->signal];

    for (uint32_t i = 0; i < room->calibrations.known_count; i++) {
        const nplug_calibration *known = &room->calibrations.known[i];
        if (known->device != key || known->space != about->space || known->code != about->code)
            continue;
        if (known->low >= known->high) continue;
        set_wires(room, axis, known->rest, known->low, known->high);
        axis->found = true;
    }
}

static void begin_axis(np_device_room *room, np_calibrated *axis, uint32_t device, uint32_t signal)
{
    const np_wire *wire;

    memset(axis, 0, sizeof *axis);
    axis->signal = signal;
    axis->device = (uint16_t)device;
    axis->used = true;
    room->calibrations.steady = 0;
    wire = first_wire(room, axis);
    axis->turns = np_control_is_turn_rate(room->controls.list[wire->control].id);
    axis->how = room->calibrations.follow || axis->turns ? NPLUG_CALIBRATE_MODE_FOLLOW
                                                         : NPLUG_CALIBRATE_MODE_FIX;
    axis->rest = wire->rest;
    axis->low = wire->low;
    axis->high = wire->high;
    axis->from = axis->to = axis->lay = room->devices.raw[signal];
    axis->since_came =
        room->devices.flags[signal] & NP_SIGNAL_SILENT ? NP_SINCE_MOVED : NP_SINCE_LYING;
    use_known(room, axis);
}

void np_calibrate_build(np_device_room *room, uint32_t device, nplug_time time)
{
    uint32_t at = 0, signal;

    for (uint32_t i = 0; (signal = np_devices_signal(&room->devices, device, i)) != NP_NONE; i++) {
        if (!can_be_calibrated(room, signal)) continue;
        while (at < NP_CALIBRATED_MOST && room->calibrations.list[at].used)
            at++;
        if (at == NP_CALIBRATED_MOST) return; /* the rest of them stay as their sheet says */
        begin_axis(room, &room->calibrations.list[at], device, signal);
        if (room->calibrations.list[at].how == NPLUG_CALIBRATE_MODE_FOLLOW) tick(room, time);
    }
}

void np_calibrate_drop(np_device_room *room, uint32_t device)
{
    for (uint32_t i = 0; i < NP_CALIBRATED_MOST; i++)
        if (room->calibrations.list[i].device == device) room->calibrations.list[i].used = false;
}

void np_calibrate_rests(np_device_room *room, uint32_t signal)
{
    for (uint32_t i = 0; i < NP_CALIBRATED_MOST; i++) {
        np_calibrated *axis = &room->calibrations.list[i];
        if (!axis->used || axis->signal != signal) continue;
        axis->rest = first_wire(room, axis)->rest;
    }
    np_devices_unguard(&room->devices,
                       room->devices.nodes[room->devices.signals[signal].node].device);
}

/* --- samples --------------------------------------------------------------------------------- */

static int64_t width_of(const np_calibrated *axis)
{
    return (int64_t)axis->high - axis->low;
}

static int64_t within(int64_t value, int64_t least, int64_t most)
{
    return value < least ? least : value > most ? most : value;
}

/* The longer of an axis's ways from its rest. */
static int64_t way_of(const np_calibrated *axis)
{
    int64_t up = (int64_t)axis->high - axis->rest, down = (int64_t)axis->rest - axis->low;
    return up > down ? up : down;
}

static int64_t apart(int64_t a, int64_t b)
{
    return a > b ? a - b : b - a;
}

/* A hand has moved it: further than what counts as rest (NP_REST, a fifth of its way). */
static void note_hand(np_device_room *room, np_calibrated *axis, int32_t raw)
{
    const np_wire *wire = first_wire(room, axis);

    if (axis->since_came == NP_SINCE_MOVED || 5 * apart(raw, axis->lay) <= way_of(axis)) return;
    if (axis->since_came == NP_SINCE_RESTING) {
        set_wires(room, axis, axis->rest, wire->low, wire->high);
        np_controls_lie(&room->controls, axis->signal, false);
    }
    axis->since_came = NP_SINCE_MOVED;
}

/* What has lain still since it came, further off than it drifts and less than half of its way,
 * rests there until somebody moves it. */
static bool lies_off(np_device_room *room, np_calibrated *axis)
{
    const np_wire *wire = first_wire(room, axis);
    int32_t middle = (int32_t)(((int64_t)axis->from + axis->to) / 2);

    if (axis->since_came == NP_SINCE_MOVED) return false;
    if (axis->since_came == NP_SINCE_RESTING) return true;
    if (24 * apart(middle, axis->rest) <= width_of(axis)) return false;
    if (2 * apart(middle, axis->rest) >= way_of(axis)) return false;
    axis->lay = middle;
    axis->since_came = NP_SINCE_RESTING;
    set_wires(room, axis, middle, wire->low, wire->high);
    np_controls_lie(&room->controls, axis->signal, true);
    return true;
}

/* The rest goes towards where the axis lies, unless that is too far from where it ought to: then
 * somebody holds it.  The first time at once, later by a 200th of the range a time. */
static void follow(np_device_room *room, np_calibrated *axis)
{
    const np_wire *wire = first_wire(room, axis);
    int64_t middle = ((int64_t)axis->from + axis->to) / 2, bound = width_of(axis) / 24;
    int64_t pace = width_of(axis) / 200 + 1, rest;

    if (middle < axis->rest - bound || middle > axis->rest + bound) return;
    rest = axis->found ? within(middle, wire->rest - pace, wire->rest + pace) : middle;
    rest = within(rest, wire->low, wire->high);
    axis->found = true;
    if (rest != wire->rest) set_wires(room, axis, (int32_t)rest, wire->low, wire->high);
}

/* The range grows by what was reached, never by more. */
static void widen(np_device_room *room, const np_calibrated *axis, int32_t raw)
{
    const np_wire *wire = first_wire(room, axis);

    if (raw >= wire->low && raw <= wire->high) return;
    set_wires(room, axis, wire->rest, raw < wire->low ? raw : wire->low,
              raw > wire->high ? raw : wire->high);
}

/* Whether an axis was where it had not been before. */
static bool note(np_calibrated *axis, int32_t raw)
{
    bool news = raw < axis->from || raw > axis->to;

    if (raw < axis->from) axis->from = raw;
    if (raw > axis->to) axis->to = raw;
    return news;
}

/* The rest of a turn rate goes half of the way to where its sensor lies, and the first time all of
 * it; its ends go with it. */
static void follow_turn(np_device_room *room, np_calibrated *axis)
{
    int64_t middle = ((int64_t)axis->from + axis->to) / 2, degree = axis->high / NP_TURN_DEGREES;
    int32_t rest = first_wire(room, axis)->rest;

    if (apart(middle, 0) > STILL_BOUND * degree) return;
    if (axis->found) middle = rest + (middle - rest) / 2;
    axis->found = true;
    if (middle != rest)
        set_wires(room, axis, (int32_t)middle, (int32_t)(axis->low + middle),
                  (int32_t)(axis->high + middle));
}

static void begin_round(np_calibrated *axis, int32_t raw)
{
    axis->from = axis->to = raw;
    axis->quiet = 0;
}

static void sample_turn(np_device_room *room, np_calibrated *axis, int32_t raw)
{
    int64_t band = (int64_t)axis->high * STILL_BAND / NP_TURN_DEGREES;

    if ((int64_t)axis->to - axis->from > band) {
        room->calibrations.steady = 0;
        begin_round(axis, raw);
    } else if (++axis->quiet >= QUIET_TICKS) {
        follow_turn(room, axis);
        begin_round(axis, raw);
    }
}

static void sample(np_device_room *room, np_calibrated *axis)
{
    int32_t raw = room->devices.raw[axis->signal];

    if (note(axis, raw)) room->calibrations.steady = 0;
    if (axis->how != NPLUG_CALIBRATE_MODE_FOLLOW) return;
    if (axis->turns) {
        sample_turn(room, axis, raw);
        return;
    }
    note_hand(room, axis, raw);
    widen(room, axis, raw);
    if ((int64_t)axis->to - axis->from > width_of(axis) / 100) {
        room->calibrations.steady = 0;
        begin_round(axis, raw);
    } else if (++axis->quiet >= QUIET_TICKS) {
        if (!lies_off(room, axis)) follow(room, axis);
        begin_round(axis, raw);
    }
}

void np_calibrate_sample(np_device_room *room, nplug_time time, nplug_time silence)
{
    bool any = false;

    room->calibrations.ticking = false;
    room->calibrations.steady++;
    for (uint32_t i = 0; i < NP_CALIBRATED_MOST; i++) {
        np_calibrated *axis = &room->calibrations.list[i];
        if (!axis->used || axis->how == NPLUG_CALIBRATE_MODE_FIX) continue;
        any = true;
        if (!(room->devices.flags[axis->signal] & NP_SIGNAL_SILENT)) sample(room, axis);
    }
    if (any) tick(room, skip(room, time, silence));
}

/* --- commands -------------------------------------------------------------------------------- */

/* What was reached is the range, if it was at least half of what there should be. */
static void take_measure(np_device_room *room, np_calibrated *axis)
{
    int32_t raw = room->devices.raw[axis->signal];

    note(axis, raw);
    if (((int64_t)axis->to - axis->from) * 2 >= width_of(axis))
        set_wires(room, axis, raw, axis->from, axis->to);
    axis->found = true;
}

static void take_axis(np_device_room *room, np_calibrated *axis, uint32_t how)
{
    if (axis->turns && (how == NPLUG_CALIBRATE_MODE_MEASURE || how == NPLUG_CALIBRATE_MODE_TAKE))
        return; /* nobody turns a pad from end to end: its rest is followed as it was */
    if (how == NPLUG_CALIBRATE_MODE_TAKE && axis->how == NPLUG_CALIBRATE_MODE_MEASURE)
        take_measure(room, axis);
    if (how == NPLUG_CALIBRATE_MODE_RESET) set_wires(room, axis, axis->rest, axis->low, axis->high);
    if (how == NPLUG_CALIBRATE_MODE_RESET) axis->found = false;
    axis->from = axis->to = room->devices.raw[axis->signal];
    axis->quiet = 0;
    axis->how = (uint8_t)(how == NPLUG_CALIBRATE_MODE_TAKE || how == NPLUG_CALIBRATE_MODE_RESET
                              ? NPLUG_CALIBRATE_MODE_FIX
                              : how);
}

void np_calibrate_take(np_device_room *room, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_index(&room->devices, command->device);

    for (uint32_t i = 0; device != NP_NONE && i < NP_CALIBRATED_MOST; i++)
        if (room->calibrations.list[i].used && room->calibrations.list[i].device == device)
            take_axis(room, &room->calibrations.list[i], command->number);
    tick(room, time);
}

/* --- queries --------------------------------------------------------------------------------- */

static void fill(const np_device_room *room, const np_calibrated *axis, nplug_calibration *into)
{
    into->device = np_calibrate_key(&room->devices.list[axis->device]);
    into->space = room->devices.signals[axis->signal].space;
    into->code = room->devices.signals[axis->signal].code;
    into->rest = axis->rest;
    into->low = axis->low;
    into->high = axis->high;
}

bool np_calibrate_look(const np_device_room *room, uint32_t device, uint32_t index,
                       nplug_calibration_facts *facts)
{
    for (uint32_t i = 0; i < NP_CALIBRATED_MOST; i++) {
        const np_calibrated *axis = &room->calibrations.list[i];
        if (!axis->used || axis->device != device || index-- > 0) continue;
        fill(room, axis, &facts->sheet);
        facts->mode = axis->how;
        facts->now = facts->sheet;
        facts->now.rest = first_wire(room, axis)->rest;
        facts->now.low = first_wire(room, axis)->low;
        facts->now.high = first_wire(room, axis)->high;
        return true;
    }
    return false;
}

void np_calibrate_know(np_calibrations *calibrations, const nplug_calibration *list, uint32_t count)
{
    calibrations->known = list;
    calibrations->known_count = count;
}
