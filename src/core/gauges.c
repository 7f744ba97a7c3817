#include "gauges.h"
#include "nest.h"
#include <string.h>

#define TICK        50000u /* microseconds between two samples */
#define QUIET_TICKS 18u    /* within a second */

/* The slowest that is found takes a 24th of a range in 200ths, a round of quiet each. */
#define STEADY_TICKS (12u * QUIET_TICKS)

void np_gauges_begin(np_gauges *gauges, bool follow)
{
    gauges->follow = follow;
}

/* --- the wires of a gauge's signal ----------------------------------------------------------- */

static const np_wire *first_wire(const nplug_nest *nest, const np_gauge *gauge)
{
    return &nest->controls.wires[nest->controls.of_signal[gauge->signal].first];
}

/* All wires of a signal get the same rest and ends; nobody's guard holds any more. */
static void set_wires(nplug_nest *nest, const np_gauge *gauge, int32_t rest, int32_t low,
                      int32_t high)
{
    np_controls_calibrate(&nest->controls, gauge->signal, rest, low, high);
    if (nest->devices.flags[gauge->signal] & NP_SIGNAL_SILENT)
        np_devices_rest(&nest->devices, gauge->signal, rest);
    np_devices_redirty(&nest->devices, gauge->signal);
    np_guards_empty(nest, gauge->device);
    nest->gauges.steady = 0;
}

static bool can_be_gauged(const nplug_nest *nest, uint32_t signal)
{
    np_run run = nest->controls.of_signal[signal];
    const np_wire *wire = &nest->controls.wires[run.first];
    uint32_t reading = wire->how & NP_WIRE_READING;

    if (wire->how & NP_WIRE_SHARED) return false;
    if (run.count == 0 || nest->devices.signals[signal].nature != NPLUG_NATURE_AXIS) return false;
    if (nest->controls.list[wire->control].flags & NP_CONTROL_LEVER) return false;
    return reading == NPLUG_READ_WHOLE || reading == NPLUG_READ_FROM_LOW ||
           reading == NPLUG_READ_FROM_HIGH || reading == NPLUG_READ_HALF_LOW ||
           reading == NPLUG_READ_HALF_HIGH;
}

/* --- coming and going ------------------------------------------------------------------------ */

/* Time ends before its next tick at the very last. */
static void tick(nplug_nest *nest, nplug_time time)
{
    nplug_time due = (time / TICK + 1) * TICK;

    if (nest->gauges.ticking || due < time) return;
    nest->gauges.ticking = np_timers_set(&nest->timers, due, NP_TIMER_GAUGE, 0, 0);
}

/* Where nothing has moved for so long that nothing would be found any more, the samples of a
 * silence are all alike: whole rounds of quiet are left out. */
static nplug_time skip(const nplug_nest *nest, nplug_time time, nplug_time silence)
{
    nplug_time round = (nplug_time)QUIET_TICKS * TICK;

    if (nest->gauges.steady < STEADY_TICKS || silence < time) return time;
    return time + (silence - time) / round * round;
}

static uint64_t key_of(const np_device *device)
{
    uint16_t numbers[3] = {device->bus, device->vendor, device->product};
    np_digest digest = {NP_HASH_START};

    if (device->identity) return device->identity;
    for (unsigned i = 0; i < 3; i++)
        np_digest_u64(&digest, numbers[i]);
    return digest.hash | 1u;
}

/* What is known of this axis from before. */
static void use_known(nplug_nest *nest, np_gauge *gauge)
{
    uint64_t key = key_of(&nest->devices.list[gauge->device]);
    const np_signal *about = &nest->devices.signals[gauge->signal];

    for (uint32_t i = 0; i < nest->gauges.known_count; i++) {
        const nplug_calibration *known = &nest->gauges.known[i];
        if (known->device != key || known->space != about->space || known->code != about->code)
            continue;
        if (known->low >= known->high) continue;
        set_wires(nest, gauge, known->rest, known->low, known->high);
        gauge->found = true;
    }
}

static void begin_gauge(nplug_nest *nest, np_gauge *gauge, uint32_t device, uint32_t signal)
{
    const np_wire *wire;

    memset(gauge, 0, sizeof *gauge);
    gauge->signal = signal;
    gauge->device = (uint16_t)device;
    gauge->used = true;
    nest->gauges.steady = 0;
    gauge->how = nest->gauges.follow ? NPLUG_CALIBRATE_FOLLOW : NPLUG_CALIBRATE_FIX;
    wire = first_wire(nest, gauge);
    gauge->rest = wire->rest;
    gauge->low = wire->low;
    gauge->high = wire->high;
    gauge->from = gauge->to = gauge->lay = nest->devices.raw[signal];
    gauge->since_came =
        nest->devices.flags[signal] & NP_SIGNAL_SILENT ? NP_SINCE_MOVED : NP_SINCE_LYING;
    use_known(nest, gauge);
}

void np_gauges_build(nplug_nest *nest, uint32_t device, nplug_time time)
{
    uint32_t at = 0, signal;

    for (uint32_t i = 0; (signal = np_devices_signal(&nest->devices, device, i)) != NP_NONE; i++) {
        if (!can_be_gauged(nest, signal)) continue;
        while (at < NP_GAUGES && nest->gauges.list[at].used)
            at++;
        if (at == NP_GAUGES) return; /* the rest of them stay as their sheet says */
        begin_gauge(nest, &nest->gauges.list[at], device, signal);
        if (nest->gauges.follow) tick(nest, time);
    }
}

void np_gauges_drop(nplug_nest *nest, uint32_t device)
{
    for (uint32_t i = 0; i < NP_GAUGES; i++)
        if (nest->gauges.list[i].device == device) nest->gauges.list[i].used = false;
}

void np_gauges_rests(nplug_nest *nest, uint32_t signal)
{
    for (uint32_t i = 0; i < NP_GAUGES; i++) {
        np_gauge *gauge = &nest->gauges.list[i];
        if (!gauge->used || gauge->signal != signal) continue;
        gauge->rest = first_wire(nest, gauge)->rest;
    }
    np_guards_empty(nest, nest->devices.nodes[nest->devices.signals[signal].node].device);
}

/* --- samples --------------------------------------------------------------------------------- */

static int64_t width_of(const np_gauge *gauge)
{
    return (int64_t)gauge->high - gauge->low;
}

static int64_t within(int64_t value, int64_t least, int64_t most)
{
    return value < least ? least : value > most ? most : value;
}

/* The longer of an axis's ways from its rest. */
static int64_t way_of(const np_gauge *gauge)
{
    int64_t up = (int64_t)gauge->high - gauge->rest, down = (int64_t)gauge->rest - gauge->low;
    return up > down ? up : down;
}

static int64_t apart(int64_t a, int64_t b)
{
    return a > b ? a - b : b - a;
}

/* A hand has moved it: further than what counts as rest (NP_REST, a fifth of its way). */
static void note_hand(nplug_nest *nest, np_gauge *gauge, int32_t raw)
{
    const np_wire *wire = first_wire(nest, gauge);

    if (gauge->since_came == NP_SINCE_MOVED || 5 * apart(raw, gauge->lay) <= way_of(gauge)) return;
    if (gauge->since_came == NP_SINCE_RESTING) {
        set_wires(nest, gauge, gauge->rest, wire->low, wire->high);
        np_controls_lie(&nest->controls, gauge->signal, false);
    }
    gauge->since_came = NP_SINCE_MOVED;
}

/* What has lain still since it came, further off than it drifts and less than half of its way,
 * rests there until somebody moves it. */
static bool lies_off(nplug_nest *nest, np_gauge *gauge)
{
    const np_wire *wire = first_wire(nest, gauge);
    int32_t middle = (int32_t)(((int64_t)gauge->from + gauge->to) / 2);

    if (gauge->since_came == NP_SINCE_MOVED) return false;
    if (gauge->since_came == NP_SINCE_RESTING) return true;
    if (24 * apart(middle, gauge->rest) <= width_of(gauge)) return false;
    if (2 * apart(middle, gauge->rest) >= way_of(gauge)) return false;
    gauge->lay = middle;
    gauge->since_came = NP_SINCE_RESTING;
    set_wires(nest, gauge, middle, wire->low, wire->high);
    np_controls_lie(&nest->controls, gauge->signal, true);
    return true;
}

/* The rest goes towards where the axis lies, unless that is too far from where it ought to: then
 * somebody holds it.  The first time at once, later by a 200th of the range a time. */
static void follow(nplug_nest *nest, np_gauge *gauge)
{
    const np_wire *wire = first_wire(nest, gauge);
    int64_t middle = ((int64_t)gauge->from + gauge->to) / 2, bound = width_of(gauge) / 24;
    int64_t pace = width_of(gauge) / 200 + 1, rest;

    if (middle < gauge->rest - bound || middle > gauge->rest + bound) return;
    rest = gauge->found ? within(middle, wire->rest - pace, wire->rest + pace) : middle;
    rest = within(rest, wire->low, wire->high);
    gauge->found = true;
    if (rest != wire->rest) set_wires(nest, gauge, (int32_t)rest, wire->low, wire->high);
}

/* The range grows by what was reached, never by more. */
static void widen(nplug_nest *nest, const np_gauge *gauge, int32_t raw)
{
    const np_wire *wire = first_wire(nest, gauge);

    if (raw >= wire->low && raw <= wire->high) return;
    set_wires(nest, gauge, wire->rest, raw < wire->low ? raw : wire->low,
              raw > wire->high ? raw : wire->high);
}

/* Whether an axis was where it had not been before. */
static bool note(np_gauge *gauge, int32_t raw)
{
    bool news = raw < gauge->from || raw > gauge->to;

    if (raw < gauge->from) gauge->from = raw;
    if (raw > gauge->to) gauge->to = raw;
    return news;
}

static void sample(nplug_nest *nest, np_gauge *gauge)
{
    int32_t raw = nest->devices.raw[gauge->signal];

    if (note(gauge, raw)) nest->gauges.steady = 0;
    if (gauge->how != NPLUG_CALIBRATE_FOLLOW) return;
    note_hand(nest, gauge, raw);
    widen(nest, gauge, raw);
    if ((int64_t)gauge->to - gauge->from > width_of(gauge) / 100) {
        gauge->from = gauge->to = raw;
        gauge->quiet = 0;
        nest->gauges.steady = 0;
    } else if (++gauge->quiet >= QUIET_TICKS) {
        if (!lies_off(nest, gauge)) follow(nest, gauge);
        gauge->from = gauge->to = raw;
        gauge->quiet = 0;
    }
}

void np_gauges_sample(nplug_nest *nest, nplug_time time, nplug_time silence)
{
    bool any = false;

    nest->gauges.ticking = false;
    nest->gauges.steady++;
    for (uint32_t i = 0; i < NP_GAUGES; i++) {
        np_gauge *gauge = &nest->gauges.list[i];
        if (!gauge->used || gauge->how == NPLUG_CALIBRATE_FIX) continue;
        any = true;
        if (!(nest->devices.flags[gauge->signal] & NP_SIGNAL_SILENT)) sample(nest, gauge);
    }
    if (any) tick(nest, skip(nest, time, silence));
}

/* --- commands -------------------------------------------------------------------------------- */

/* What was reached is the range, if it was at least half of what there should be. */
static void take_measure(nplug_nest *nest, np_gauge *gauge)
{
    int32_t raw = nest->devices.raw[gauge->signal];

    note(gauge, raw);
    if (((int64_t)gauge->to - gauge->from) * 2 >= width_of(gauge))
        set_wires(nest, gauge, raw, gauge->from, gauge->to);
    gauge->found = true;
}

static void take_gauge(nplug_nest *nest, np_gauge *gauge, uint32_t how)
{
    if (how == NPLUG_CALIBRATE_TAKE && gauge->how == NPLUG_CALIBRATE_MEASURE)
        take_measure(nest, gauge);
    if (how == NPLUG_CALIBRATE_RESET) set_wires(nest, gauge, gauge->rest, gauge->low, gauge->high);
    if (how == NPLUG_CALIBRATE_RESET) gauge->found = false;
    gauge->from = gauge->to = nest->devices.raw[gauge->signal];
    gauge->quiet = 0;
    gauge->how =
        (uint8_t)(how == NPLUG_CALIBRATE_TAKE || how == NPLUG_CALIBRATE_RESET ? NPLUG_CALIBRATE_FIX
                                                                              : how);
}

void np_gauges_take(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_index(&nest->devices, command->device);

    for (uint32_t i = 0; device != NP_NONE && i < NP_GAUGES; i++)
        if (nest->gauges.list[i].used && nest->gauges.list[i].device == device)
            take_gauge(nest, &nest->gauges.list[i], command->number);
    tick(nest, time);
}

/* --- queries --------------------------------------------------------------------------------- */

uint64_t nplug_device_key(const nplug_nest *nest, nplug_device device)
{
    uint32_t index = nest ? np_devices_index(&nest->devices, device) : NP_NONE;
    return index == NP_NONE ? 0 : key_of(&nest->devices.list[index]);
}

static void fill(const nplug_nest *nest, const np_gauge *gauge, nplug_calibration *into)
{
    into->device = key_of(&nest->devices.list[gauge->device]);
    into->space = nest->devices.signals[gauge->signal].space;
    into->code = nest->devices.signals[gauge->signal].code;
    into->rest = gauge->rest;
    into->low = gauge->low;
    into->high = gauge->high;
}

nplug_result nplug_calibration_look(const nplug_nest *nest, nplug_device device, uint32_t index,
                                    nplug_calibration *now, nplug_calibration *sheet)
{
    nplug_result result = nest ? np_devices_check(&nest->devices, device) : NPLUG_ERR_ARGUMENT;
    uint32_t place;

    if (result != NPLUG_OK || !now) return result != NPLUG_OK ? result : NPLUG_ERR_ARGUMENT;
    place = np_devices_index(&nest->devices, device);
    for (uint32_t i = 0; i < NP_GAUGES; i++) {
        const np_gauge *gauge = &nest->gauges.list[i];
        if (!gauge->used || gauge->device != place || index-- > 0) continue;
        fill(nest, gauge, now);
        if (sheet) *sheet = *now;
        now->rest = first_wire(nest, gauge)->rest;
        now->low = first_wire(nest, gauge)->low;
        now->high = first_wire(nest, gauge)->high;
        return NPLUG_OK;
    }
    return NPLUG_ERR_UNKNOWN;
}

nplug_result nplug_use_calibrations(nplug_nest *nest, const nplug_calibration *list, uint32_t count)
{
    if (!nest || (count && !list)) return NPLUG_ERR_ARGUMENT;
    if (nest->started) return NPLUG_ERR_ORDER;
    nest->gauges.known = list;
    nest->gauges.known_count = count;
    return NPLUG_OK;
}
