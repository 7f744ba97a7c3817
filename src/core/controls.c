#include "controls.h"
#include "number.h"
#include <math.h>
#include <string.h>

void np_controls_layout(np_controls *controls, np_carve *carve, const nplug_limits *limits)
{
    uint32_t wires = limits->controls + limits->controls / 4;

    controls->list = (np_control *)np_carve_take(carve, limits->controls, sizeof(np_control));
    np_span_layout(&controls->span, carve, limits->controls);
    controls->of_device = (np_run *)np_carve_take(carve, limits->devices, sizeof(np_run));
    controls->wires = (np_wire *)np_carve_take(carve, wires, sizeof(np_wire));
    np_span_layout(&controls->wire_span, carve, wires);
    controls->of_signal = (np_run *)np_carve_take(carve, limits->signals, sizeof(np_run));
    controls->moved = (uint16_t *)np_carve_take(carve, limits->controls, sizeof(uint16_t));
}

/* --- making a device's controls ------------------------------------------------------------- */

#define KEY_PAGE 0x0007u

/* The wire of a keyboard's sheet for a signal that is a key's usage. */
static bool wire_of_key(const np_signal_about *about, nplug_wire *wire)
{
    unsigned parts;

    if (about->space != NPLUG_SPACE_HID || about->code >> 16 != KEY_PAGE) return false;
    memset(wire, 0, sizeof *wire);
    /* W3C UI Events gives the key of usage 0x32 (ISO boards) the code of 0x31: no board has both.
     */
    wire->control =
        NPLUG_CONTROL(NPLUG_CLASS_KEY, (about->code & 1023u) == 0x32 ? 0x31 : about->code & 1023u);
    nplug_control_nature(wire->control, &parts);
    return parts != 0;
}

/* The sheet's wires for one signal, one after the other: starts with *at = 0, false at the end. */
static bool next_wire(const nplug_sheet *sheet, const np_signal_about *about, uint32_t *at,
                      nplug_wire *wire)
{
    for (; *at < sheet->wire_count; ++*at) {
        const nplug_wire *one = &sheet->wires[*at];
        if (one->space != about->space || one->code != about->code) continue;
        *wire = *one;
        ++*at;
        return true;
    }
    if (*at > sheet->wire_count || !sheet->keys) return false;
    *at = sheet->wire_count + 1;
    return wire_of_key(about, wire);
}

static uint32_t count_wires(const np_devices *devices, uint32_t device, const nplug_sheet *sheet)
{
    uint32_t count = 0, signal;
    nplug_wire wire;

    for (uint32_t i = 0; (signal = np_devices_signal(devices, device, i)) != NP_NONE; i++)
        for (uint32_t at = 0; next_wire(sheet, &devices->about[signal], &at, &wire);)
            count++;
    return count;
}

static int32_t rest_of(const np_signal_about *about, const nplug_wire *wire)
{
    if (wire->has_rest) return wire->rest;
    if (wire->reading == NPLUG_READ_FROM_LOW) return about->min;
    if (wire->reading == NPLUG_READ_FROM_HIGH) return about->max;
    return np_number_middle(about->min, about->max);
}

/* The control of a device being built, made where it is not there yet. */
static uint32_t control_for(np_controls *controls, uint32_t device, nplug_control id)
{
    uint32_t found = np_controls_find(controls, device, id);
    np_run *run = &controls->of_device[device];
    np_control *control;
    unsigned components;

    if (found != NP_NONE) return found;
    found = run->first + run->count++;
    control = &controls->list[found];
    memset(control, 0, sizeof *control);
    control->id = id;
    control->device = (uint16_t)device;
    control->nature = (uint8_t)nplug_control_nature(id, &components);
    control->components = (uint8_t)components;
    return found;
}

static void lay_wire(np_controls *controls, np_devices *devices, uint32_t device, uint32_t signal,
                     const nplug_wire *from)
{
    np_run *run = &controls->of_signal[signal];
    np_wire *wire = &controls->wires[run->first + run->count++];
    uint8_t nature = devices->signals[signal].nature;

    wire->control = (uint16_t)control_for(controls, device, from->control);
    wire->component = from->component & 1u;
    wire->how = from->reading;
    if (from->reversed) wire->how |= NP_WIRE_REVERSED;
    if (nature == NPLUG_NATURE_BUTTON) wire->how |= NP_WIRE_BUTTON;
    if (nature == NPLUG_NATURE_DELTA) wire->how |= NP_WIRE_DELTA;
    wire->low = devices->about[signal].min;
    wire->high = devices->about[signal].max;
    wire->rest = rest_of(&devices->about[signal], from);
    if (nature == NPLUG_NATURE_BUTTON) wire->rest = 0;
    if (nature == NPLUG_NATURE_DELTA) wire->rest = devices->signals[signal].raw;
    if (!(devices->signals[signal].flags & NP_SIGNAL_KNOWN))
        np_devices_rest(devices, signal, wire->rest);
}

static void lay_wires(np_controls *controls, np_devices *devices, uint32_t device,
                      const nplug_sheet *sheet, uint32_t first_wire)
{
    uint32_t signal;
    nplug_wire wire;

    for (uint32_t i = 0; (signal = np_devices_signal(devices, device, i)) != NP_NONE; i++) {
        controls->of_signal[signal].first = (uint16_t)first_wire;
        controls->of_signal[signal].count = 0;
        for (uint32_t at = 0; next_wire(sheet, &devices->about[signal], &at, &wire);)
            lay_wire(controls, devices, device, signal, &wire);
        first_wire += controls->of_signal[signal].count;
    }
}

/* What is down already when a device is made is spent: nobody pressed it for this game. */
static void read_first_values(np_controls *controls, const np_devices *devices, uint32_t device)
{
    np_run run = controls->of_device[device];
    uint32_t signal;

    for (uint32_t i = 0; (signal = np_devices_signal(devices, device, i)) != NP_NONE; i++) {
        np_run wires = controls->of_signal[signal];
        for (uint32_t w = wires.first; w < (uint32_t)wires.first + wires.count; w++)
            np_controls_set(controls, &controls->wires[w], devices->signals[signal].raw);
    }
    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        if (np_controls_edge(controls, i) == NP_EDGE_PRESS) np_controls_spend(controls, i);
}

static void forget_wires(np_controls *controls, const np_devices *devices, uint32_t device)
{
    uint32_t signal;

    controls->of_device[device].count = 0;
    for (uint32_t i = 0; (signal = np_devices_signal(devices, device, i)) != NP_NONE; i++)
        controls->of_signal[signal].count = 0;
}

int np_controls_build(np_controls *controls, np_devices *devices, uint32_t device,
                      const nplug_sheet *sheet)
{
    np_run *run = &controls->of_device[device];
    uint32_t most;
    int32_t first, first_wire;

    forget_wires(controls, devices, device);
    if (!sheet) return -1;
    most = count_wires(devices, device, sheet);
    first = np_span_take(&controls->span, most);
    if (first < 0) return NPLUG_LIMIT_CONTROLS;
    first_wire = np_span_take(&controls->wire_span, most);
    if (first_wire < 0) {
        np_span_give(&controls->span, (uint32_t)first, most);
        return NPLUG_LIMIT_CONTROLS;
    }
    run->first = (uint16_t)first;
    lay_wires(controls, devices, device, sheet, (uint32_t)first_wire);
    np_span_give(&controls->span, (uint32_t)first + run->count, most - run->count);
    read_first_values(controls, devices, device);
    return -1;
}

static void forget_moved(np_controls *controls, np_run gone)
{
    uint32_t kept = 0;

    for (uint32_t i = 0; i < controls->moved_count; i++)
        if ((uint32_t)(controls->moved[i] - gone.first) >= gone.count)
            controls->moved[kept++] = controls->moved[i];
    controls->moved_count = kept;
}

void np_controls_drop(np_controls *controls, const np_devices *devices, uint32_t device)
{
    uint32_t signal;
    np_run *run = &controls->of_device[device];

    for (uint32_t i = 0; (signal = np_devices_signal(devices, device, i)) != NP_NONE; i++) {
        np_run *wires = &controls->of_signal[signal];
        np_span_give(&controls->wire_span, wires->first, wires->count);
        wires->count = 0;
    }
    forget_moved(controls, *run);
    np_span_give(&controls->span, run->first, run->count);
    run->count = 0;
}

/* --- values --------------------------------------------------------------------------------- */

static float read_axis(const np_wire *wire, int32_t raw)
{
    switch (wire->how & NP_WIRE_READING) {
    case NPLUG_READ_FROM_LOW:
        return np_number_normal(wire->low, wire->low, wire->high, raw);
    case NPLUG_READ_FROM_HIGH:
        return 0.0f - np_number_normal(wire->low, wire->high, wire->high, raw);
    case NPLUG_READ_WHEN_LOW:
        return np_number_normal(wire->low, wire->rest, wire->high, raw) <= -NP_PRESS ? 1.0f : 0.0f;
    case NPLUG_READ_WHEN_HIGH:
        return np_number_normal(wire->low, wire->rest, wire->high, raw) >= NP_PRESS ? 1.0f : 0.0f;
    default:
        return np_number_normal(wire->low, wire->rest, wire->high, raw);
    }
}

float np_wire_value(const np_wire *wire, int32_t raw)
{
    float value;

    if (wire->how & NP_WIRE_BUTTON)
        value = raw != wire->rest ? 1.0f : 0.0f;
    else if (wire->how & NP_WIRE_DELTA)
        value = (float)(int32_t)((uint32_t)raw - (uint32_t)wire->rest);
    else
        value = read_axis(wire, raw);
    return wire->how & NP_WIRE_REVERSED ? 0.0f - value : value;
}

static bool at_rest(const np_control *control)
{
    return fabsf(control->value[0]) < NP_REST && fabsf(control->value[1]) < NP_REST;
}

void np_controls_set(np_controls *controls, const np_wire *wire, int32_t raw)
{
    np_control *control = &controls->list[wire->control];

    control->value[wire->component] = np_wire_value(wire, raw);
    if (control->flags & NP_CONTROL_SPENT) {
        if (at_rest(control)) control->flags &= (uint8_t)~NP_CONTROL_SPENT;
    } else if (controls->deaf && !at_rest(control)) {
        control->flags |= NP_CONTROL_SPENT;
    }
}

void np_controls_set_deaf(np_controls *controls, bool deaf)
{
    controls->deaf = deaf;
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

void np_controls_spend(np_controls *controls, uint32_t index)
{
    np_control *control = &controls->list[index];

    if (!at_rest(control)) control->flags |= NP_CONTROL_SPENT;
    np_controls_mark_moved(controls, index);
}

void np_controls_mark_moved(np_controls *controls, uint32_t index)
{
    np_control *control = &controls->list[index];

    if (control->flags & NP_CONTROL_MOVED) return;
    control->flags |= NP_CONTROL_MOVED;
    controls->moved[controls->moved_count++] = (uint16_t)index;
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
    int32_t raw = devices->signals[signal].raw;
    bool again = false;

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        np_wire *wire = &controls->wires[w];
        np_controls_set(controls, wire, raw);
        np_controls_mark_moved(controls, wire->control);
        if (wire->how & NP_WIRE_DELTA) again |= settle_delta(wire, raw);
    }
    if (again) np_devices_redirty(devices, signal);
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
        controls->list[controls->moved[i]].flags &= (uint8_t)~NP_CONTROL_MOVED;
    controls->moved_count = 0;
}

bool np_controls_guard(const np_control *control, np_interval *interval)
{
    interval->at_least = NP_ANYWHERE_LOW;
    interval->below = NP_ANYWHERE_HIGH;
    if (control->nature == NPLUG_NATURE_DELTA) return false;
    if (control->flags & NP_CONTROL_SPENT) return false;
    if (control->components != 1) return true;
    if (control->flags & NP_CONTROL_DOWN)
        interval->at_least = NP_RELEASE;
    else
        interval->below = NP_PRESS;
    return true;
}

uint32_t np_controls_find(const np_controls *controls, uint32_t device, nplug_control id)
{
    np_run run = controls->of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        if (controls->list[i].id == id) return i;
    return NP_NONE;
}
