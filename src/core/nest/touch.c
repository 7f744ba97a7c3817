/* Touch: a surface has a node of its own for the zones of the game, and what they say passes all
 * rooms as if hardware said it.
 *
 * Owns nothing.  Comes in: groups of contacts; surfaces that come and go.  Goes out: signals of
 * zones and pointers; events of contacts. */
#include "core/nest/nest.h"

/* In place of a port's number: a surface's zones. */
#define ZONES 0xffu

static uint32_t key_of(uint32_t device)
{
    return ZONES << 24 | device;
}

/* --- the node of a surface's pointer and zones
 * ----------------------------------------------------------------
 */

static uint32_t count_signals(const nplug_game *game)
{
    uint32_t count = 1; /* the pointer's */

    for (uint32_t z = 0; z < game->zone_count; z++)
        count += np_zone_signals(game, z);
    return count;
}

/* A zone's signal says in its code which number of which control it is, and in which part. */
static void declare(nplug_nest *nest, uint32_t node, uint16_t place, const np_zone_signal *signal,
                    uint32_t part)
{
    nplug_report report = {0};

    report.kind = NPLUG_REPORT_SIGNAL;
    report.signal = place;
    report.data.signal.code =
        (uint32_t)signal->control << 16 | (uint32_t)signal->component << 8 | part;
    report.data.signal.space = NPLUG_SPACE_ZONE;
    report.data.signal.nature = signal->nature;
    report.data.signal.min = signal->min;
    report.data.signal.max = signal->nature == NPLUG_NATURE_DELTA ? NP_ZONE_MM : signal->max;
    np_devices_describe(&nest->device.devices, node, &report);
}

static void declare_all(nplug_nest *nest, uint32_t node)
{
    const nplug_game *game = &nest->game.game.def;
    uint16_t place = 0;
    np_zone_signal signal = {0};

    signal.control = NPLUG_CONTROL(NPLUG_CLASS_POINTER, NPLUG_POINTER_PRESS);
    signal.nature = NPLUG_NATURE_BUTTON;
    signal.max = 1;
    declare(nest, node, place++, &signal, 0);
    for (uint32_t z = 0; z < game->zone_count; z++)
        for (uint32_t i = 0; np_zone_signal_at(game, z, i, &signal); i++)
            declare(nest, node, place++, &signal, np_zone_row(game, z)->part);
}

void np_touch_build(nplug_nest *nest, uint32_t device, nplug_time time)
{
    np_devices *devices = &nest->device.devices;
    nplug_report report = {0};
    uint32_t node;
    int limit;

    if (nest->device.recogniser.of[device].kind != NPLUG_KIND_TOUCH) return;
    report.time = time;
    report.kind = NPLUG_REPORT_ARRIVE;
    report.data.arrive.signals = (uint16_t)count_signals(&nest->game.game.def);
    limit = np_devices_begin(devices, key_of(device), &report);
    if (limit >= 0) {
        np_out_limit(&nest->out, (nplug_limit)limit, time);
        return;
    }
    node = np_devices_node(devices, key_of(device));
    declare_all(nest, node);
    np_devices_complete(devices, node, NPLUG_KIND_UNKNOWN);
    np_devices_add_node(devices, device, node);
    if (!np_zones_add_device(&nest->action, device, devices->nodes[node].first_signal + 1))
        np_out_limit(&nest->out, NPLUG_LIMIT_ZONES, time);
}

/* --- what fingers do ---------------------------------------------------------------------------
 */

/* Somebody follows a contact from now on, or nobody does any more: what its place is guarded by is
 * found anew. */
static void watch(nplug_nest *nest, uint32_t device, uint32_t number, bool followed)
{
    const np_surface *surface = np_surface_of(&nest->device.contacts, device);

    for (unsigned w = NP_FINGER_X; w <= NP_FINGER_Y; w++) {
        uint32_t signal = nest->device.controls.wires[surface->wires[number][w]].signal;
        if (followed) np_devices_guard(&nest->device.devices, signal, false, 0, 0);
        np_devices_follow(&nest->device.devices, signal, false);
    }
}

static void tell_contact(nplug_nest *nest, nplug_event_kind kind, const np_contact *contact,
                         bool cancelled, nplug_time time)
{
    nplug_event *event =
        np_out_event(&nest->out, time, kind,
                     np_devices_handle(&nest->device.devices, contact->device), NPLUG_NOBODY);

    event->press_count = contact->id;
    event->value = contact->place;
    event->control = NPLUG_CONTROL(NPLUG_CLASS_TOUCH, contact->finger);
    event->flags = cancelled ? NPLUG_EVENT_FLAG_CANCELLED : 0;
}

static void tell_touched(nplug_nest *nest, const np_touched *touched, nplug_time time)
{
    const np_contact *contact = &nest->device.contacts.list[touched->contact];

    if (touched->began) tell_contact(nest, NPLUG_EVENT_CONTACT, contact, false, time);
    if (touched->ended) tell_contact(nest, NPLUG_EVENT_LIFT, contact, nest->cancelled, time);
}

/* The contacts of a surface end, and no person lifted them. */
static void cancel_contacts(nplug_nest *nest, uint32_t device, nplug_time time)
{
    for (uint32_t n = 1; n <= NP_FINGERS; n++) {
        uint32_t contact = np_contacts_find(&nest->device.contacts, device, n);
        if (contact == NP_NONE) continue;
        tell_contact(nest, NPLUG_EVENT_LIFT, &nest->device.contacts.list[contact], true, time);
    }
    np_contacts_cancel(&nest->device.contacts, device, time);
}

/* A contact that no zone has may point, which the first signal of the surface's zones says. */
static void point(nplug_nest *nest, const np_touched *touched, np_zone_news *news)
{
    np_devices *devices = &nest->device.devices;
    uint32_t device = nest->device.contacts.list[touched->contact].device;
    int edge = np_contacts_point(&nest->device.contacts, touched);
    uint32_t node;

    if (edge == 0) return;
    node = np_devices_node(devices, key_of(device));
    if (node != NP_NONE)
        np_news_say(news, devices->nodes[node].first_signal, NP_ZONE_VALUE, edge > 0);
}

/* A contact has begun or ended, or could not begin. */
static void tell_edges(nplug_nest *nest, const np_finger *finger, const np_touched *touched)
{
    if (touched->full) np_out_limit(&nest->out, NPLUG_LIMIT_CONTACTS, finger->time);
    if (touched->contact != NP_NONE) tell_touched(nest, touched, finger->time);
}

/* Who follows a contact, now that its zone has heard of it. */
static void follow(nplug_nest *nest, const np_finger *finger, const np_touched *touched)
{
    if (touched->began && np_zones_follow(&nest->action, touched->contact))
        watch(nest, finger->device, finger->number, true);
    if (touched->ended) watch(nest, finger->device, finger->number, false);
}

/* What the zone says that owns a finger's contact; `later`: of the same moment, fingers that are
 * still to be heard. */
static void hear(nplug_nest *nest, const np_finger *finger, uint32_t later, np_zone_news *news)
{
    np_touched touched;
    bool edge;

    news->count = 0;
    np_contacts_hear(&nest->device.contacts, finger, &touched);
    touched.later = later;
    edge = touched.began || touched.ended || touched.full;
    if (edge) tell_edges(nest, finger, &touched);
    if (touched.contact == NP_NONE) return;
    if (!np_zones_hear(&nest->action, &touched, news)) point(nest, &touched, news);
    if (edge) follow(nest, finger, &touched);
}

/* --- what zones say
 * ------------------------------------------------------------------------------------ */

/* A signal that says two things at one moment is two changes: none is lost. */
static void say_of_zone(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    np_devices *devices = &nest->device.devices;

    if (devices->raw[signal] == value) return;
    if (devices->flags[signal] & NP_SIGNAL_TOUCHED) np_changes_run(nest, time);
    if (np_devices_quick_value(devices, signal, value)) return;
    np_devices_store(devices, signal, value);
    np_devices_touch(devices, signal);
}

/* What areas moved by in a group, all fingers together. */
static void take_moved(nplug_nest *nest, nplug_time time)
{
    int32_t by[2];
    uint32_t signal;

    while (np_zones_take_moved(&nest->action.zones, by, &signal)) {
        np_devices_store(&nest->device.devices, signal, by[0]);
        np_devices_store(&nest->device.devices, signal + 1, by[1]);
        np_changes_pair(nest, signal, by, time);
    }
}

static void strike_zone(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    const np_controls *controls = &nest->device.controls;
    const np_wire *wire = &controls->wires[controls->of_signal[signal].first];
    const np_control *control = &controls->list[wire->control];
    np_change change = {time, wire->control,
                        np_devices_handle(&nest->device.devices, control->device), control->id,
                        false};

    if (controls->of_signal[signal].count == 0 || control->flags & NP_CONTROL_MUTED) return;
    np_changes_strike(nest, &change, np_notches_way(wire, value), false);
}

/* What is cancelled, or over at once, comes after all before it. */
static void run_apart(nplug_nest *nest, np_zone_how how, uint32_t signal, int32_t value,
                      nplug_time time)
{
    bool cancelled = nest->cancelled;

    np_changes_run(nest, time);
    if (how == NP_ZONE_STRUCK) {
        strike_zone(nest, signal, value, time);
        return;
    }
    nest->cancelled = true;
    say_of_zone(nest, signal, value, time);
    np_changes_run(nest, time);
    nest->cancelled = cancelled;
}

/* What a zone says of one finger. */
static void run_news(nplug_nest *nest, const np_zone_news *news, nplug_time time)
{
    for (uint32_t i = 0; i < news->count; i++) {
        uint32_t signal = news->list[i].signal;
        if (news->list[i].how == NP_ZONE_VALUE)
            say_of_zone(nest, signal, news->list[i].value, time);
        else
            run_apart(nest, (np_zone_how)news->list[i].how, signal, news->list[i].value, time);
    }
}

/* Fingers of one surface at one moment. */
static void hear_all(nplug_nest *nest, uint32_t device, uint32_t set, nplug_time time)
{
    np_finger finger = {device, 0, {0.0f, 0.0f}, time, false, nest->cancelled};
    np_zone_news news;

    for (; set; set = np_bits_rest(set)) {
        np_finger_look(&nest->device, device, np_bits_lowest(set), &finger);
        hear(nest, &finger, np_bits_rest(set), &news);
        run_news(nest, &news, time);
    }
}

static void glide_all(nplug_nest *nest, uint32_t device, uint32_t set, nplug_time time)
{
    const np_surface *surface = np_surface_of(&nest->device.contacts, device);
    np_touched touched = {0};
    np_zone_news news;

    for (; surface && set; set = np_bits_rest(set)) {
        if (!np_contacts_glide(&nest->device, surface, np_bits_lowest(set), time, &touched))
            continue;
        news.count = 0;
        touched.later = np_bits_rest(set);
        np_zones_glide(&nest->action, &touched, &news);
        if (news.count) run_news(nest, &news, time);
    }
}

void np_touch_run(nplug_nest *nest, bool glides, nplug_time time)
{
    np_fingers fingers = np_devices_take_fingers(&nest->device.devices);
    uint32_t device = nest->device.devices.nodes[fingers.node].device;

    np_nest_advance(nest, time);
    if (glides)
        glide_all(nest, device, fingers.set, time);
    else
        hear_all(nest, device, fingers.set, time);
    take_moved(nest, time);
    np_changes_run(nest, time);
}

/* --- how large a surface is ----------------------------------------------------------------------
 */

/* All signals of a surface's zones but levers are at rest. */
static void rest_zones(nplug_nest *nest, uint32_t device)
{
    np_devices *devices = &nest->device.devices;
    uint32_t node = np_devices_node(devices, key_of(device));

    for (uint32_t i = 0; node != NP_NONE && i < devices->nodes[node].signals; i++) {
        uint32_t signal = devices->nodes[node].first_signal + i;
        const np_signal *about = &devices->signals[signal];
        bool lever = about->nature == NPLUG_NATURE_AXIS && about->min == 0;
        if (!lever && about->nature != NPLUG_NATURE_DELTA) np_devices_store(devices, signal, 0);
    }
    np_controls_refresh(&nest->device.controls, devices, device);
}

void np_touch_resize(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_here(&nest->device.devices, command->device);

    if (device == NP_NONE) return;
    np_wake_before(nest, device, NP_ALL_PARTS, time);
    cancel_contacts(nest, device, time);
    np_zones_rest(&nest->action.zones, device);
    rest_zones(nest, device);
    np_surfaces_set(&nest->device.contacts, device, command);
    np_wake_after(nest, device, time);
}

/* --- a surface goes ------------------------------------------------------------------------------
 */

void np_touch_unbuild(nplug_nest *nest, uint32_t device, nplug_time time)
{
    uint32_t node = np_devices_node(&nest->device.devices, key_of(device));

    cancel_contacts(nest, device, time);
    np_zones_drop_device(&nest->action.zones, device);
    np_surfaces_drop(&nest->device.contacts, device);
    if (node != NP_NONE) np_devices_drop_node(&nest->device.devices, node);
}
