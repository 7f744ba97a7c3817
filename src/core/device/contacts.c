/* Contacts: which fingers are on touch surfaces, and how large those are.
 *
 * Owns np_contacts.  Comes in: fingers that begin, move and end; what the hardware or the game says
 * of a surface.  Goes out: a contact, with its way from where it began. */
#include "core/device/device.h"
#include <math.h>
#include <string.h>

/* Where nobody knows a surface's size: a telephone's, held across. */
#define WIDTH  125.0f
#define HEIGHT 70.0f

/* --- surfaces --------------------------------------------------------------------------------- */

/* The place of a device's surface; NP_SURFACES where it has none, or nobody follows its contacts.
 */
static uint32_t place_of(const np_contacts *contacts, uint32_t device)
{
    uint32_t i = 0;

    while (i < NP_SURFACES &&
           !(contacts->surfaces[i].used && contacts->surfaces[i].device == device))
        i++;
    return i;
}

static np_surface *surface_at(np_contacts *contacts, uint32_t device)
{
    uint32_t place = place_of(contacts, device);
    return place < NP_SURFACES ? &contacts->surfaces[place] : NULL;
}

const np_surface *np_surface_of(const np_contacts *contacts, uint32_t device)
{
    uint32_t place = place_of(contacts, device);
    return place < NP_SURFACES ? &contacts->surfaces[place] : NULL;
}

static void set_size(np_surface *surface, float width, float height)
{
    surface->known = width >= 1.0f && height >= 1.0f;
    surface->width = surface->known ? width : WIDTH;
    surface->height = surface->known ? height : HEIGHT;
}

np_surface np_surface_sized(float width, float height)
{
    np_surface surface = {0};

    set_size(&surface, width, height);
    return surface;
}

/* How far a position goes, by what the hardware says of a millimetre; 0: it says nothing. */
static float length_of(const np_device_room *room, uint32_t wire)
{
    const np_signal *about;

    if (wire == NP_NO_WIRE) return 0.0f;
    about = &room->devices.signals[room->controls.wires[wire].signal];
    if (about->resolution <= 0 || about->max <= about->min) return 0.0f;
    return (float)((int64_t)about->max - about->min) / (float)about->resolution;
}

/* Which finger a control is of, from 1, and what it tells of that; 0: it is of none. */
static uint32_t finger_of(nplug_control control, unsigned component, unsigned *what)
{
    uint32_t place = NPLUG_CONTROL_INDEX(control);

    if (NPLUG_CONTROL_CLASS(control) != NPLUG_CLASS_TOUCH) return 0;
    *what = component;
    if (place >= NPLUG_TOUCH_CONTACT_PRESSURE) {
        *what = NP_FINGER_PRESSURE;
        place -= NPLUG_TOUCH_CONTACT_PRESSURE - NPLUG_TOUCH_CONTACT;
    } else if (place >= NPLUG_TOUCH_CONTACT_DOWN) {
        *what = NP_FINGER_DOWN;
        place -= NPLUG_TOUCH_CONTACT_DOWN - NPLUG_TOUCH_CONTACT;
    }
    return place <= NP_FINGERS ? place : 0;
}

static void find_wires(np_device_room *room, np_surface *surface)
{
    np_run run = room->controls.wires_of[surface->device];

    memset(surface->wires, 0xff, sizeof surface->wires);
    memset(surface->contact, 0xff, sizeof surface->contact);
    surface->pointing = NP_NO_WIRE;
    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        const np_wire *wire = &room->controls.wires[w];
        unsigned what = 0;
        uint32_t finger = finger_of(room->controls.list[wire->control].id, wire->component, &what);
        if (finger) surface->wires[finger][what] = (uint16_t)w;
        if (finger && what != NP_FINGER_PRESSURE)
            room->devices.signals[wire->signal].finger = (uint8_t)finger & 31u;
    }
}

void np_surfaces_add(np_device_room *room, uint32_t device)
{
    np_surface *surface = room->contacts.surfaces, *end = surface + NP_SURFACES;

    while (surface < end && surface->used)
        surface++;
    if (surface == end) return;
    memset(surface, 0, sizeof *surface);
    surface->used = true;
    surface->device = (uint16_t)device;
    find_wires(room, surface);
    set_size(surface, length_of(room, surface->wires[1][NP_FINGER_X]),
             length_of(room, surface->wires[1][NP_FINGER_Y]));
}

/* More than this of a side is never unsafe. */
static float share(uint16_t of)
{
    float share = (float)of / 65535.0f;
    return share > 0.4f ? 0.4f : share;
}

void np_surfaces_set(np_contacts *contacts, uint32_t device, const nplug_command *command)
{
    np_surface *surface = surface_at(contacts, device);

    if (!surface) return;
    set_size(surface, (float)(command->number >> 16) / 10.0f,
             (float)(command->number & 0xffffu) / 10.0f);
    surface->safe[0] = share(command->strong);
    surface->safe[1] = share(command->weak);
    surface->safe[2] = share(command->control);
    surface->safe[3] = share(command->on);
}

static float read_of(const np_device_room *room, uint32_t index)
{
    const np_wire *wire = &room->controls.wires[index];
    int32_t raw = room->devices.raw[wire->signal];

    return np_wire_is_share(wire, raw) ? np_wire_share(wire, raw) : np_wire_value(wire, raw);
}

/* A contact's number is 0 or more; a button, which surfaces without numbers have, is not at rest.
 */
static bool is_down(const np_device_room *room, const np_wire *wire)
{
    int32_t raw = room->devices.raw[wire->signal];
    bool numbered = room->devices.signals[wire->signal].nature == NPLUG_NATURE_CONTACT;

    return numbered ? raw >= 0 : raw != wire->rest;
}

float np_finger_pressure(const np_device_room *room, uint32_t device, uint32_t number)
{
    const np_surface *surface = np_surface_of(&room->contacts, device);
    uint16_t wire = surface ? surface->wires[number][NP_FINGER_PRESSURE] : NP_NO_WIRE;

    return wire == NP_NO_WIRE ? 1.0f : read_of(room, wire);
}

bool np_finger_look(const np_device_room *room, uint32_t device, uint32_t number, np_finger *finger)
{
    const np_surface *surface = np_surface_of(&room->contacts, device);
    const uint16_t *wires = surface ? surface->wires[number] : NULL;

    finger->device = device;
    finger->number = number;
    finger->down = false;
    if (!wires || wires[NP_FINGER_X] == NP_NO_WIRE || wires[NP_FINGER_Y] == NP_NO_WIRE ||
        wires[NP_FINGER_DOWN] == NP_NO_WIRE)
        return false;
    finger->place.x = read_of(room, wires[NP_FINGER_X]);
    finger->place.y = read_of(room, wires[NP_FINGER_Y]);
    finger->down = is_down(room, &room->controls.wires[wires[NP_FINGER_DOWN]]);
    return true;
}

/* --- contacts --------------------------------------------------------------------------------- */

uint32_t np_contacts_find(const np_contacts *contacts, uint32_t device, uint32_t finger)
{
    const np_surface *surface = np_surface_of(contacts, device);

    if (!surface || surface->contact[finger] == NP_NO_WIRE) return NP_NONE;
    return surface->contact[finger];
}

static uint32_t begin(np_contacts *contacts, np_surface *surface, const np_finger *finger)
{
    for (uint32_t i = 0; i < contacts->limit; i++) {
        np_contact *contact = &contacts->list[i];
        if (contact->id) continue;
        memset(contact, 0, sizeof *contact);
        if (++contacts->ids == 0) contacts->ids = 1;
        contacts->edges = true;
        contact->id = contacts->ids;
        contact->device = (uint16_t)finger->device;
        contact->finger = (uint8_t)finger->number;
        contact->flags = NP_CONTACT_BEGAN;
        contact->start = contact->mark = contact->place = finger->place;
        contact->begin = contact->last = finger->time;
        surface->contact[finger->number] = (uint16_t)i;
        return i;
    }
    return NP_NONE;
}

/* Its path is measured from mark to mark, so that trembling is none. */
static bool move(const np_surface *surface, np_contact *contact, nplug_vec2 place, nplug_time time)
{
    float x = (place.x - contact->mark.x) * surface->width;
    float y = (place.y - contact->mark.y) * surface->height;
    float far = x * x + y * y;

    if (contact->place.x == place.x && contact->place.y == place.y) return false;
    contact->place = place;
    contact->last = time;
    if (far < NP_MARKS * NP_MARKS) return true;
    contact->path += sqrtf(far);
    contact->mark = place;
    return true;
}

static void end(np_contacts *contacts, np_surface *surface, np_contact *contact, bool cancelled,
                nplug_time time)
{
    contacts->edges = true;
    contact->flags |= (uint8_t)(NP_CONTACT_ENDED | (cancelled ? NP_CONTACT_CANCELLED : 0));
    contact->last = time;
    surface->contact[contact->finger] = NP_NO_WIRE;
}

/* A finger without a contact: it begins one, where it is down, and not that one whose contact was
 * ended for it. */
static void touch_down(np_contacts *contacts, np_surface *surface, const np_finger *finger,
                       np_touched *touched)
{
    uint32_t bit = 1u << finger->number;

    if (!finger->down) surface->ignored &= ~bit;
    if (!finger->down || surface->ignored & bit) return;
    touched->contact = begin(contacts, surface, finger);
    touched->began = touched->contact != NP_NONE;
    touched->full = !touched->began;
}

void np_contacts_hear(np_contacts *contacts, const np_finger *finger, np_touched *touched)
{
    np_surface *surface = surface_at(contacts, finger->device);
    np_contact *contact;

    touched->contact = NP_NONE;
    touched->began = touched->moved = touched->ended = touched->full = false;
    touched->surface = surface;
    if (!surface) return;
    if (surface->contact[finger->number] == NP_NO_WIRE) {
        touch_down(contacts, surface, finger, touched);
        return;
    }
    touched->contact = surface->contact[finger->number];
    contact = &contacts->list[touched->contact];
    touched->from = contact->place;
    touched->moved = move(surface, contact, finger->place, finger->time);
    touched->ended = !finger->down;
    if (touched->ended) end(contacts, surface, contact, finger->cancelled, finger->time);
}

bool np_contacts_glide(np_device_room *room, const np_surface *surface, uint32_t number,
                       nplug_time time, np_touched *touched)
{
    np_contact *contact;
    nplug_vec2 place;

    if (surface->contact[number] == NP_NO_WIRE) return false;
    touched->surface = surface;
    touched->contact = surface->contact[number];
    contact = &room->contacts.list[touched->contact];
    touched->from = contact->place;
    place.x = read_of(room, surface->wires[number][NP_FINGER_X]);
    place.y = read_of(room, surface->wires[number][NP_FINGER_Y]);
    return move(surface, contact, place, time);
}

int np_contacts_point(np_contacts *contacts, const np_touched *touched)
{
    const np_contact *contact = &contacts->list[touched->contact];
    np_surface *surface = surface_at(contacts, contact->device);
    int edge = 0;

    if (!surface) return 0;
    if (touched->began && surface->pointing == NP_NO_WIRE) {
        surface->pointing = (uint16_t)touched->contact;
        edge = 1;
    }
    if (surface->pointing != touched->contact) return 0;
    surface->pointed = contact->place;
    if (!touched->ended) return edge;
    surface->pointing = NP_NO_WIRE;
    return edge - 1;
}

void np_contacts_cancel(np_contacts *contacts, uint32_t device, nplug_time time)
{
    np_surface *surface = surface_at(contacts, device);

    for (uint32_t n = 1; surface && n <= NP_FINGERS; n++) {
        if (surface->contact[n] == NP_NO_WIRE) continue;
        end(contacts, surface, &contacts->list[surface->contact[n]], true, time);
        surface->ignored |= 1u << n;
    }
    if (surface) surface->pointing = NP_NO_WIRE;
}

void np_surfaces_drop(np_contacts *contacts, uint32_t device)
{
    np_surface *surface = surface_at(contacts, device);

    if (surface) surface->used = false;
}

nplug_vec2 np_contact_way(const np_contacts *contacts, const np_contact *contact)
{
    const np_surface *surface = np_surface_of(contacts, contact->device);
    nplug_vec2 way = {0.0f, 0.0f};

    if (!surface) return way;
    way.x = (contact->place.x - contact->start.x) * surface->width;
    way.y = (contact->start.y - contact->place.y) * surface->height;
    return way;
}

void np_contacts_begin_step(np_contacts *contacts)
{
    for (uint32_t i = 0; contacts->edges && i < contacts->limit; i++) {
        np_contact *contact = &contacts->list[i];
        if (contact->flags & NP_CONTACT_ENDED) contact->id = 0;
        contact->flags &= (uint8_t)~NP_CONTACT_BEGAN;
    }
    contacts->edges = false;
}

/* In the order in which they began: each time the lowest number above the last one. */
uint32_t np_contacts_nth(const np_contacts *contacts, uint32_t index)
{
    uint32_t best = NP_NONE, below = 0;

    for (uint32_t n = 0; n <= index; n++) {
        best = NP_NONE;
        for (uint32_t i = 0; i < contacts->limit; i++) {
            uint32_t id = contacts->list[i].id;
            if (id > below && (best == NP_NONE || id < contacts->list[best].id)) best = i;
        }
        if (best == NP_NONE) return NP_NONE;
        below = contacts->list[best].id;
    }
    return best;
}

void np_contacts_layout(np_contacts *contacts, np_arena *arena, const nplug_limits *limits)
{
    contacts->list = (np_contact *)np_arena_take(arena, limits->contacts, sizeof(np_contact));
    contacts->limit = limits->contacts;
}
