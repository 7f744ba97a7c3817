/* What the game may ask about pointing.
 *
 * Owns nothing.  Comes in: a player.  Goes out: by which device and where that player points. */
#include "core/calls/calls.h"
#include "nestplug/pointer.h"

#define PLACE NPLUG_CONTROL(NPLUG_CLASS_MOUSE, NPLUG_MOUSE_PLACE)

/* Whether a device can point: a mouse that has a place, or a surface. */
static bool can_point(const nplug_nest *nest, uint32_t device)
{
    nplug_device_kind kind = nest->device.recogniser.of[device].kind;

    if (kind == NPLUG_KIND_TOUCH) return np_surface_of(&nest->device.contacts, device) != NULL;
    return kind == NPLUG_KIND_MOUSE &&
           np_controls_find(&nest->device.controls, device, PLACE) != NP_NONE;
}

/* When a device said something last. */
static nplug_time said_last(const nplug_nest *nest, uint32_t device)
{
    const np_devices *devices = &nest->device.devices;
    nplug_time last = 0;

    for (uint32_t n = devices->list[device].first_node; n != NP_NONE; n = devices->nodes[n].next)
        if (devices->nodes[n].last > last) last = devices->nodes[n].last;
    return last;
}

/* Whether a device is of the set that a player used last. */
static bool is_active(const nplug_nest *nest, uint32_t player, uint32_t device)
{
    uint32_t used = np_devices_here(&nest->device.devices, nest->player.active.of[player].device);

    return used != NP_NONE && np_active_same_set(&nest->player, used, device);
}

/* The device by which a player points: one of the active set before all others, and then the one
 * that said something last; NP_NONE. */
static uint32_t device_of(const nplug_nest *nest, uint32_t player)
{
    uint32_t best = NP_NONE, count = np_players_devices(&nest->player, player);

    for (uint32_t i = 0; i < count; i++) {
        uint32_t device = np_players_device(&nest->player, player, i);
        bool active = is_active(nest, player, device), better = best == NP_NONE;
        if (!can_point(nest, device)) continue;
        if (!better && active != is_active(nest, player, best))
            better = active;
        else if (!better)
            better = said_last(nest, device) > said_last(nest, best);
        if (better) best = device;
    }
    return best;
}

/* Whether a pen is near a surface; *pens: that has one. */
static bool is_near(const nplug_nest *nest, uint32_t device, bool *pens)
{
    const np_controls *controls = &nest->device.controls;
    uint32_t near =
        np_controls_find(controls, device, NPLUG_CONTROL(NPLUG_CLASS_TOUCH, NPLUG_TOUCH_NEAR));

    *pens = near != NP_NONE;
    return *pens && controls->list[near].value[0] > 0.0f;
}

/* A surface's pointer: the contact that points, or a pen, whose place is known without one. */
static void fill_touch(const nplug_nest *nest, uint32_t device, nplug_pointer_facts *facts)
{
    const np_surface *surface = np_surface_of(&nest->device.contacts, device);
    const np_contact *contact = NULL;
    np_finger finger;
    bool pens, near = is_near(nest, device, &pens);

    if (surface->pointing != NP_NO_WIRE) contact = &nest->device.contacts.list[surface->pointing];
    facts->contact = contact ? contact->id : 0;
    facts->place = surface->pointed;
    facts->hovers = near && np_contacts_find(&nest->device.contacts, device, 1) == NP_NONE;
    if ((contact || pens) &&
        np_finger_look(&nest->device, device, contact ? contact->finger : 1, &finger))
        facts->place = finger.place;
    if (contact) facts->pressure = np_finger_pressure(&nest->device, device, contact->finger);
}

static void fill(const nplug_nest *nest, uint32_t player, uint32_t device,
                 nplug_pointer_facts *facts)
{
    const np_pointer *pointer = &nest->player.pointers[player];

    facts->device = np_devices_handle(&nest->device.devices, device);
    facts->kind = nest->device.recogniser.of[device].kind;
    facts->press_place = pointer->press;
    facts->release_place = pointer->release;
    facts->press_time = pointer->press_time;
    facts->release_time = pointer->release_time;
    facts->cancelled = pointer->cancelled;
    facts->down = pointer->down && pointer->device == facts->device;
    if (facts->kind == NPLUG_KIND_TOUCH) {
        fill_touch(nest, device, facts);
        return;
    }
    np_controls_place(&nest->device.controls, &nest->device.devices, device, PLACE, &facts->place);
    facts->hovers = !facts->down && is_active(nest, player, device);
    facts->pressure = facts->down ? 1.0f : 0.0f;
}

nplug_result nplug_pointer_info(const nplug_nest *nest, nplug_player player,
                                nplug_pointer_facts *facts)
{
    nplug_pointer_facts now = {0};
    uint32_t device;

    if (!nest || !facts || player > nest->limits.players) return NPLUG_ERR_ARGUMENT;
    device = device_of(nest, player);
    if (device != NP_NONE) fill(nest, player, device, &now);
    if (np_size_give(facts, NP_FIRST(nplug_pointer_facts, reserved), &now, sizeof now) != NPLUG_OK)
        return NPLUG_ERR_SIZE;
    return device == NP_NONE ? NPLUG_ERR_UNKNOWN : NPLUG_OK;
}
