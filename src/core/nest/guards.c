/* Guards: inside which raw values no room need be called.
 *
 * Owns nothing: guards stand with the signals.  Comes in: what each room says of a control.  Goes
 * out: their intersection. */
#include "core/nest/nest.h"

/* A wire's value rises or falls evenly with the raw value, so the raw values inside an interval
 * lie in a row around the present one, and its ends are found by halving. */
static bool inside(const np_wire *wire, const np_interval *interval, int64_t raw)
{
    float value = np_wire_value(wire, (int32_t)raw);
    return value >= interval->at_least && value < interval->below;
}

/* Where, between two raw values, the interval's end ought to be, were the wire a straight line. */
static int64_t guess(const np_wire *wire, const np_interval *interval, int64_t in, int64_t out)
{
    float from = np_wire_value(wire, (int32_t)in), to = np_wire_value(wire, (int32_t)out);
    float end = to < interval->at_least ? interval->at_least : interval->below;
    float share = to == from ? 0.5f : (end - from) / (to - from);

    return in + (int64_t)((float)(out - in) * share);
}

/* The raw value nearest to `far` that is inside, searching from `raw`, which is.  Wires are
 * straight up to their rest and from there on, so guesses find it soon, or else halving does. */
static int32_t furthest(const np_wire *wire, const np_interval *interval, int32_t raw, int32_t far)
{
    int64_t in = raw, out = far < raw ? wire->low : wire->high;

    if (inside(wire, interval, far)) return far;
    if ((out < in) != (far < raw) || inside(wire, interval, out)) out = far;
    for (unsigned turn = 0; in - out > 1 || out - in > 1; turn++) {
        int64_t middle = turn % 3 == 2 ? (in + out) / 2 : guess(wire, interval, in, out);
        if (out > in)
            middle = middle <= in ? in + 1 : middle >= out ? out - 1 : middle;
        else
            middle = middle >= in ? in - 1 : middle <= out ? out + 1 : middle;
        if (inside(wire, interval, middle))
            in = middle;
        else
            out = middle;
    }
    return (int32_t)in;
}

/* Between which raw values a wire need call nobody: what jumps, where it does not; false where it
 * must always. */
static bool narrow(const nplug_nest *nest, const np_wire *wire, int32_t raw, int32_t *low,
                   int32_t *high)
{
    np_interval interval;
    int32_t from = raw, to = raw;

    if (wire->how & NP_WIRE_SHARED) return false; /* what others say counts, too */
    if (nest->action.pick.waits ||
        !np_controls_guard(&nest->device.controls.list[wire->control], &interval))
        return false;
    if (!np_wire_jumps(wire)) {
        if (!np_active_guard(&nest->player, wire->control, &interval)) return false;
        if (!np_links_guard(&nest->action, wire->control, wire->component, &interval)) return false;
        if (!inside(wire, &interval, raw)) return false;
        from = furthest(wire, &interval, raw, INT32_MIN);
        to = furthest(wire, &interval, raw, INT32_MAX);
    }
    if (from > *low) *low = from;
    if (to < *high) *high = to;
    return true;
}

/* Whether somebody must see each place that a signal says. */
static bool is_followed(const nplug_nest *nest, uint32_t signal)
{
    const np_signal *about = &nest->device.devices.signals[signal];
    uint32_t device = nest->device.devices.nodes[about->node].device, contact;

    if (about->finger == 0) return false;
    contact = np_contacts_find(&nest->device.contacts, device, about->finger);
    return contact != NP_NONE && np_zones_follow(&nest->action, contact);
}

/* Whether nothing of the game goes by what a signal's controls are. */
static bool is_unread(const nplug_nest *nest, np_run run)
{
    const np_wire *wires = nest->device.controls.wires;
    bool unread = true;

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++)
        unread &= nest->action.sources.of_control[wires[w].control] == NP_NO_INDEX;
    return unread;
}

void np_guards_renew(nplug_nest *nest, uint32_t signal)
{
    np_run run = nest->device.controls.of_signal[signal];
    int32_t raw = nest->device.devices.raw[signal];
    int32_t low = INT32_MIN, high = INT32_MAX;
    uint8_t nature = nest->device.devices.signals[signal].nature;
    bool any = nature != NPLUG_NATURE_DELTA && nature != NPLUG_NATURE_CONTACT &&
               !(nest->device.devices.flags[signal] & NP_SIGNAL_BOUNCES);

    for (uint32_t w = run.first; any && w < (uint32_t)run.first + run.count; w++)
        any = narrow(nest, &nest->device.controls.wires[w], raw, &low, &high);
    np_devices_guard(&nest->device.devices, signal, any, low, high);
    if (nature != NPLUG_NATURE_POSITION) return;
    np_devices_follow(&nest->device.devices, signal, is_followed(nest, signal));
    if (any && is_unread(nest, run)) np_devices_leave_unread(&nest->device.devices, signal);
}
