/* Wiring: a device's controls are made from its sheet's wires, or from its shape.
 *
 * Owns np_controls, as a device is built or goes.  Comes in: a device and its sheet.  Goes out: its
 * controls. */
#include "core/device/device.h"
#include <string.h>

/* Where a device's wires come from. */
typedef struct np_plan {
    const np_devices *devices;
    uint32_t device;
    const np_recognition *from;
    const nplug_sheet *const *beside; /* by node */
} np_plan;

#define KEY_PAGE  0x0007u
#define EVDEV_KEY 1u /* the kernel's event type of keys and buttons */

/* The wire of a keyboard's sheet for a signal that is a key: a HID usage or a kernel key code. */
static bool wire_of_key(const np_signal *about, nplug_wire *wire)
{
    uint32_t usage = about->code & 0xffffu;
    unsigned parts;

    memset(wire, 0, sizeof *wire);
    if (about->space == NPLUG_SPACE_EVDEV && about->code >> 16 == EVDEV_KEY)
        wire->control = nplug_key_from_kernel(usage);
    /* W3C UI Events gives the key of usage 0x32 (ISO boards) the code of 0x31: no board has both.
     */
    if (about->space == NPLUG_SPACE_HID && about->code >> 16 == KEY_PAGE && usage < 1024)
        wire->control = NPLUG_CONTROL(NPLUG_CLASS_KEY, usage == 0x32 ? 0x31 : usage);
    nplug_control_nature(wire->control, &parts);
    return parts != 0;
}

/* A zone's signal names its control itself. */
static bool wire_of_zone(const np_signal *about, uint32_t *at, nplug_wire *wire)
{
    if ((*at)++) return false;
    memset(wire, 0, sizeof *wire);
    wire->control = (nplug_control)(about->code >> 16);
    wire->component = (uint8_t)(about->code >> 8);
    if (about->nature == NPLUG_NATURE_AXIS && about->min == 0) {
        wire->reading = NPLUG_READING_FROM_LOW;
        wire->flags = NPLUG_WIRE_LEVER;
    }
    if (about->nature == NPLUG_NATURE_DELTA) {
        wire->flags = NPLUG_WIRE_HAS_RANGE;
        wire->max = about->max;
    }
    return true;
}

/* The part of its device in which a zone is; 0 of all other signals: that is dealt later. */
static uint8_t part_of(const np_signal *about)
{
    return about->space == NPLUG_SPACE_ZONE ? (uint8_t)about->code : 0;
}

/* Whether a device's sheet means that node by a wire. */
static bool is_meant(const np_plan *plan, const nplug_wire *wire, uint32_t node)
{
    if (!wire->node) return node == plan->from->chief;
    return node == np_devices_node_like(plan->devices, plan->device, (nplug_device_kind)wire->node);
}

/* Whether a sheet's wire is a signal's.  What a sensor says means something only where the hardware
 * says in which unit. */
static bool reads(const nplug_wire *wire, const np_signal *about)
{
    if (wire->space != about->space || wire->code != about->code) return false;
    return (wire->reading != NPLUG_READING_SENSED && !np_control_is_felt_motion(wire->control)) ||
           wire->flags & NPLUG_WIRE_HAS_RANGE || about->resolution > 0;
}

/* The sheet of a signal's wires: the device's, if that means its node; else the node's own. */
static const nplug_sheet *sheet_of(const np_plan *plan, const np_signal *about)
{
    const nplug_sheet *sheet = plan->from->sheet;

    if (about->node == plan->from->chief) return sheet;
    for (uint32_t i = 0; sheet && i < sheet->wire_count; i++)
        if (is_meant(plan, np_wire_row(sheet, i), about->node) &&
            reads(np_wire_row(sheet, i), about))
            return sheet;
    if (sheet && sheet->keys && plan->devices->nodes[about->node].looks == NPLUG_KIND_UNKNOWN)
        return sheet;
    return plan->beside[about->node];
}

/* A sheet's wires for one signal, one after the other: starts with *at = 0, false at the end. */
static bool next_of_sheet(const np_plan *plan, const nplug_sheet *sheet, const np_signal *about,
                          uint32_t *at, nplug_wire *wire)
{
    for (; *at < sheet->wire_count; ++*at) {
        const nplug_wire *one = np_wire_row(sheet, *at);
        if (!reads(one, about)) continue;
        if (sheet == plan->from->sheet && !is_meant(plan, one, about->node)) continue;
        *wire = *one;
        ++*at;
        return true;
    }
    if (*at > sheet->wire_count || !sheet->keys) return false;
    *at = sheet->wire_count + 1;
    return wire_of_key(about, wire);
}

/* The same from wherever this device's wires come. */
static bool next_wire(const np_plan *plan, uint32_t signal, uint32_t *at, nplug_wire *wire)
{
    const np_signal *about = &plan->devices->signals[signal];
    const nplug_sheet *sheet;

    if (about->space == NPLUG_SPACE_ZONE) return wire_of_zone(about, at, wire);
    sheet = sheet_of(plan, about);
    if (sheet) return next_of_sheet(plan, sheet, about, at, wire);
    if (plan->from->matched != NPLUG_MATCHED_SHAPE || about->node != plan->from->chief)
        return false;
    return np_classify_wire(plan->devices, signal, at, wire);
}

static uint32_t count_wires(const np_plan *plan)
{
    uint32_t count = 0, signal;
    nplug_wire wire;

    for (uint32_t i = 0; (signal = np_devices_signal(plan->devices, plan->device, i)) != NP_NONE;
         i++)
        for (uint32_t at = 0; next_wire(plan, signal, &at, &wire);)
            count++;
    return count;
}

/* Where a wire's signal rests, in its range. */
static int32_t rest_of(const np_wire *wire, const nplug_wire *from)
{
    if (from->flags & NPLUG_WIRE_HAS_REST) return from->rest;
    switch (from->reading) {
    case NPLUG_READING_FROM_LOW:
        return wire->low;
    case NPLUG_READING_FROM_HIGH:
        return wire->high;
    case NPLUG_READING_ROUND_UP:
    case NPLUG_READING_ROUND_RIGHT:
    case NPLUG_READING_ROUND_DOWN:
    case NPLUG_READING_ROUND_LEFT:
    case NPLUG_READING_ROUND_X:
    case NPLUG_READING_ROUND_Y:
        return wire->low > INT32_MIN ? wire->low - 1 : wire->low; /* no place at all */
    case NPLUG_READING_PRESENT:
        return -1;
    case NPLUG_READING_SCALED:
        return wire->component == 6 ? wire->high : 0; /* not turned: (0, 0, 0, 1) */
    default:
        return np_number_middle(wire->low, wire->high);
    }
}

/* The control of a part of a device being built, made where it is not there yet. */
static uint32_t control_for(np_controls *controls, uint32_t device, nplug_control id, uint8_t part)
{
    uint32_t found = np_controls_find(controls, device, id);
    np_run *run = &controls->of_device[device];
    np_control *control;
    unsigned components;

    while (found != NP_NONE && controls->list[found].part != part)
        found = np_controls_next(controls, found);
    if (found != NP_NONE) return found;
    found = run->first + run->count++;
    control = &controls->list[found];
    memset(control, 0, sizeof *control);
    control->id = id;
    control->device = (uint16_t)device;
    control->part = part;
    control->nature = (uint8_t)nplug_control_nature(id, &components);
    control->components = (uint8_t)components;
    return found;
}

static uint16_t how_of(const nplug_wire *from, uint8_t nature)
{
    uint16_t how = from->reading;

    if (from->flags & NPLUG_WIRE_REVERSED) how |= NP_WIRE_REVERSED;
    if (from->flags & NPLUG_WIRE_ZERO_FIRST) how |= NP_WIRE_UNMOVED;
    if (nature == NPLUG_NATURE_BUTTON) how |= NP_WIRE_BUTTON;
    if (nature == NPLUG_NATURE_DELTA) how |= NP_WIRE_DELTA;
    return how;
}

static void set_range(np_wire *wire, const nplug_wire *from, const np_signal *about)
{
    bool own = (from->flags & NPLUG_WIRE_HAS_RANGE) != 0;

    wire->low = own ? from->min : about->min;
    wire->high = own ? from->max : about->max;
    wire->rest = rest_of(wire, from);
}

/* A delta has no range: its own says how many counts are one. */
static void set_delta(np_wire *wire, const nplug_wire *from, int32_t raw)
{
    wire->low = 0;
    wire->rest = raw;
    wire->high = from->flags & NPLUG_WIRE_HAS_RANGE ? from->max : 1;
}

/* How many counts of a sensor are a degree a second, or a g. */
static int32_t unit_of(const nplug_wire *from, const np_signal *about)
{
    return from->flags & NPLUG_WIRE_HAS_RANGE ? from->max : about->resolution;
}

/* A sensor's high end says how many counts are one, its low end whether it turns. */
static void set_sensed(np_wire *wire, const nplug_wire *from, const np_signal *about)
{
    wire->low = NPLUG_CONTROL_INDEX(from->control) == NPLUG_PAD_GYRO;
    wire->high = unit_of(from, about);
    wire->rest = 0;
}

/* What a sensor feels, as an axis: to the ends that control.h promises. */
static void set_felt(np_wire *wire, const nplug_wire *from, const np_signal *about)
{
    bool tilts = NPLUG_CONTROL_INDEX(from->control) == NPLUG_PAD_TILT;
    int64_t most = (int64_t)unit_of(from, about) * (tilts ? 1 : NP_TURN_DEGREES);

    wire->high = most > INT32_MAX / 2 ? INT32_MAX / 2 : (int32_t)most;
    wire->low = -wire->high;
    wire->rest = 0;
}

static void set_ends(np_wire *wire, const nplug_wire *from, const np_signal *about, int32_t raw)
{
    if (about->nature == NPLUG_NATURE_DELTA)
        set_delta(wire, from, raw);
    else if (from->reading == NPLUG_READING_SENSED)
        set_sensed(wire, from, about);
    else if (np_control_is_felt_motion(from->control))
        set_felt(wire, from, about);
    else
        set_range(wire, from, about);
    if (about->nature == NPLUG_NATURE_BUTTON) wire->rest = 0;
}

/* Who feeds what another wire feeds shares it. */
static void share(np_controls *controls, const np_devices *devices, uint32_t device, np_wire *wire)
{
    uint32_t signal;

    for (uint32_t i = 0; (signal = np_devices_signal(devices, device, i)) != NP_NONE; i++) {
        np_run run = controls->of_signal[signal];
        for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
            np_wire *other = &controls->wires[w];
            if (other == wire || other->control != wire->control ||
                other->component != wire->component)
                continue;
            other->how |= NP_WIRE_SHARED;
            wire->how |= NP_WIRE_SHARED;
        }
    }
}

/* Whether a finger only touches a control of a hand, or is near it. */
static bool is_felt(unsigned place)
{
    static const uint8_t felt[] = {NPLUG_HAND_TRIGGER_TOUCH,   NPLUG_HAND_TRIGGER_NEAR,
                                   NPLUG_HAND_SQUEEZE_TOUCH,   NPLUG_HAND_THUMBSTICK_TOUCH,
                                   NPLUG_HAND_THUMBREST_TOUCH, NPLUG_HAND_THUMBREST_NEAR,
                                   NPLUG_HAND_LOWER_TOUCH,     NPLUG_HAND_UPPER_TOUCH,
                                   NPLUG_HAND_LOWER_NEAR,      NPLUG_HAND_UPPER_NEAR};
    bool is = false;

    for (unsigned i = 0; i < sizeof felt; i++)
        is |= felt[i] == place;
    return is;
}

/* No use of its own is how hard a contact presses, a pen that comes near, a finger that rests on a
 * control, what motion sensors feel, and a headset that is put on. */
static bool is_aside(nplug_control control)
{
    unsigned place = NPLUG_CONTROL_INDEX(control);

    switch (NPLUG_CONTROL_CLASS(control)) {
    case NPLUG_CLASS_TOUCH:
        return place == NPLUG_TOUCH_NEAR ||
               (place >= NPLUG_TOUCH_CONTACT_PRESSURE && place < NPLUG_TOUCH_PEN_BUTTON);
    case NPLUG_CLASS_HAND_LEFT:
    case NPLUG_CLASS_HAND_RIGHT:
        return is_felt(place);
    case NPLUG_CLASS_PAD:
        return np_control_is_felt_motion(control);
    default:
        return control == NPLUG_CONTROL(NPLUG_CLASS_HEADSET, NPLUG_HEADSET_WORN);
    }
}

/* Whether a control may rest otherwise than its sheet expects: a place has no rest, and nothing
 * presses a surface that nobody touches.  What a zone or a runtime of OpenXR says is no voltage: 0
 * is rest. */
static bool may_lie(const np_control *control, nplug_space space)
{
    return space != NPLUG_SPACE_ZONE && space != NPLUG_SPACE_OPENXR &&
           control->nature != NPLUG_NATURE_POSITION && !is_aside(control->id);
}

static void mark_control(np_control *control, const np_wire *wire, const nplug_wire *from,
                         bool beside)
{
    if (from->flags & NPLUG_WIRE_LEVER) control->flags |= NP_CONTROL_LEVER;
    if (from->flags & NPLUG_WIRE_SQUARE) control->flags |= NP_CONTROL_SQUARE;
    if (from->flags & NPLUG_WIRE_GUESS) control->flags |= NP_CONTROL_GUESS;
    if (beside || is_aside(control->id)) control->flags |= NP_CONTROL_ASIDE;
    if (control->nature == NPLUG_NATURE_AXIS &&
        (wire->how & NP_WIRE_READING) == NPLUG_READING_WHOLE)
        control->flags |= NP_CONTROL_BOTH;
}

static void lay_wire(np_controls *controls, np_devices *devices, const np_plan *plan,
                     uint32_t signal, const nplug_wire *from)
{
    np_run *run = &controls->of_signal[signal];
    np_wire *wire = &controls->wires[run->first + run->count++];
    const np_signal *about = &devices->signals[signal];

    wire->control = (uint16_t)control_for(controls, plan->device, from->control, part_of(about));
    wire->signal = (uint16_t)signal;
    wire->component = from->component;
    wire->how = how_of(from, about->nature);
    set_ends(wire, from, about, devices->raw[signal]);
    share(controls, devices, plan->device, wire);
    mark_control(&controls->list[wire->control], wire, from,
                 about->space != NPLUG_SPACE_ZONE && plan->beside[about->node] &&
                     sheet_of(plan, about) == plan->beside[about->node]);
    if (plan->from->generic && may_lie(&controls->list[wire->control], (nplug_space)about->space))
        wire->how |= NP_WIRE_ASKS;
    if (from->debounce_ms) np_devices_bounces(devices, signal, from->debounce_ms);
    if (devices->flags[signal] & NP_SIGNAL_SILENT) np_devices_rest(devices, signal, wire->rest);
}

static void lay_wires(np_controls *controls, np_devices *devices, const np_plan *plan,
                      uint32_t first_wire)
{
    uint32_t signal;
    nplug_wire wire;

    controls->wires_of[plan->device].first = (uint16_t)first_wire;
    controls->wires_of[plan->device].count = (uint16_t)count_wires(plan);
    for (uint32_t i = 0; (signal = np_devices_signal(devices, plan->device, i)) != NP_NONE; i++) {
        controls->of_signal[signal].first = (uint16_t)first_wire;
        controls->of_signal[signal].count = 0;
        for (uint32_t at = 0; next_wire(plan, signal, &at, &wire);)
            lay_wire(controls, devices, plan, signal, &wire);
        first_wire += controls->of_signal[signal].count;
    }
}

/* What is away from its rest already when a device is made is spent: nobody moved it for this game.
 */
static void read_first_values(np_controls *controls, np_devices *devices, uint32_t device)
{
    np_run run = controls->of_device[device];
    uint32_t signal;

    for (uint32_t i = 0; (signal = np_devices_signal(devices, device, i)) != NP_NONE; i++) {
        np_run wires = controls->of_signal[signal];
        if (!(devices->flags[signal] & NP_SIGNAL_SILENT))
            np_controls_ask(controls, devices, signal);
        for (uint32_t w = wires.first; w < (uint32_t)wires.first + wires.count; w++)
            np_controls_set(controls, devices, w, signal);
    }
    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        np_controls_edge(controls, i);
        np_controls_spend(controls, i, false);
    }
}

static void forget_wires(np_controls *controls, const np_devices *devices, uint32_t device)
{
    uint32_t signal;

    controls->of_device[device].count = controls->wires_of[device].count = 0;
    for (uint32_t i = 0; (signal = np_devices_signal(devices, device, i)) != NP_NONE; i++)
        controls->of_signal[signal].count = 0;
}

/* A shape is what it was when the device came: laying wires changes what its signals say. */
int np_controls_build(np_controls *controls, np_devices *devices, uint32_t device,
                      const np_recogniser *recogniser)
{
    np_run *run = &controls->of_device[device];
    np_plan plan = {devices, device, &recogniser->of[device], recogniser->beside};
    uint32_t most;
    int32_t first, first_wire;

    forget_wires(controls, devices, device);
    most = count_wires(&plan);
    if (most == 0) return -1;
    first = np_span_take(&controls->span, most);
    if (first < 0) return NPLUG_LIMIT_CONTROLS;
    first_wire = np_span_take(&controls->wire_span, most);
    if (first_wire < 0) {
        np_span_give(&controls->span, (uint32_t)first, most);
        return NPLUG_LIMIT_CONTROLS;
    }
    run->first = (uint16_t)first;
    controls->unready[device] = NP_UNREADY_ALL;
    lay_wires(controls, devices, &plan, (uint32_t)first_wire);
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
    controls->wires_of[device].count = 0;
    np_span_give(&controls->span, run->first, run->count);
    run->count = 0;
}

void np_device_layout(np_device_room *room, np_arena *arena, const nplug_limits *limits)
{
    np_devices_layout(&room->devices, arena, limits);
    np_recognise_layout(&room->recogniser, arena, limits);
    np_controls_layout(&room->controls, arena, limits);
    np_contacts_layout(&room->contacts, arena, limits);
}
