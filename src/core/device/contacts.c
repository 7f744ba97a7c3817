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

static uint32_t surface_at(const np_contacts *contacts, uint32_t device)
{
    uint32_t i = 0;

    while (i < NP_SURFACES &&
           !(contacts->surfaces[i].used && contacts->surfaces[i].device == device))
        i++;
    return i;
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

np_surface np_surface_of(const np_contacts *contacts, uint32_t device)
{
    uint32_t at = surface_at(contacts, device);

    return at < NP_SURFACES ? contacts->surfaces[at] : np_surface_sized(0.0f, 0.0f);
}

/* How far a contact's position goes, by what the hardware says of a millimetre; 0: it says
 * nothing. */
static float length_of(const np_device_room *room, uint32_t device, unsigned component)
{
    uint32_t control = np_controls_find(&room->controls, device,
                                        NPLUG_CONTROL(NPLUG_CLASS_TOUCH, NPLUG_TOUCH_CONTACT));
    np_run run = room->controls.wires_of[device];

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        const np_wire *wire = &room->controls.wires[w];
        const np_signal *about = &room->devices.signals[wire->signal];
        if (wire->control != control || wire->component != component) continue;
        if (about->resolution <= 0 || about->max <= about->min) return 0.0f;
        return (float)((int64_t)about->max - about->min) / (float)about->resolution;
    }
    return 0.0f;
}

void np_surfaces_add(np_device_room *room, uint32_t device)
{
    np_contacts *contacts = &room->contacts;
    uint32_t i = 0;

    while (i < NP_SURFACES && contacts->surfaces[i].used)
        i++;
    if (i == NP_SURFACES) return;
    memset(&contacts->surfaces[i], 0, sizeof contacts->surfaces[i]);
    contacts->surfaces[i].used = true;
    contacts->surfaces[i].device = (uint16_t)device;
    set_size(&contacts->surfaces[i], length_of(room, device, 0), length_of(room, device, 1));
}

/* More than this of a side is never unsafe. */
static float share(uint16_t of)
{
    float share = (float)of / 65535.0f;
    return share > 0.4f ? 0.4f : share;
}

void np_surfaces_set(np_contacts *contacts, uint32_t device, const nplug_command *command)
{
    uint32_t at = surface_at(contacts, device);
    np_surface *surface = &contacts->surfaces[at];

    if (at == NP_SURFACES) return;
    set_size(surface, (float)(command->number >> 16) / 10.0f,
             (float)(command->number & 0xffffu) / 10.0f);
    surface->safe[0] = share(command->strong);
    surface->safe[1] = share(command->weak);
    surface->safe[2] = share(command->control);
    surface->safe[3] = share(command->on);
}

/* --- contacts --------------------------------------------------------------------------------- */

uint32_t np_contacts_find(const np_contacts *contacts, uint32_t device, uint32_t finger)
{
    for (uint32_t i = 0; i < contacts->limit; i++) {
        const np_contact *contact = &contacts->list[i];
        if (contact->id && !(contact->flags & NP_CONTACT_ENDED) && contact->device == device &&
            contact->finger == finger)
            return i;
    }
    return NP_NONE;
}

static uint32_t begin(np_contacts *contacts, const np_finger *finger)
{
    for (uint32_t i = 0; i < contacts->limit; i++) {
        np_contact *contact = &contacts->list[i];
        if (contact->id) continue;
        memset(contact, 0, sizeof *contact);
        if (++contacts->ids == 0) contacts->ids = 1;
        contact->id = contacts->ids;
        contact->device = (uint16_t)finger->device;
        contact->finger = (uint8_t)finger->number;
        contact->flags = NP_CONTACT_BEGAN;
        contact->start = contact->mark = contact->place = finger->place;
        contact->begin = contact->last = finger->time;
        return i;
    }
    return NP_NONE;
}

/* Its path is measured from mark to mark, so that trembling is none. */
static void move(np_contacts *contacts, np_contact *contact, const np_finger *finger)
{
    np_surface surface = np_surface_of(contacts, contact->device);
    float x = (finger->place.x - contact->mark.x) * surface.width;
    float y = (finger->place.y - contact->mark.y) * surface.height;
    float far = sqrtf(x * x + y * y);

    contact->place = finger->place;
    contact->last = finger->time;
    if (far < NP_MARKS) return;
    contact->path += far;
    contact->mark = finger->place;
}

static void end(np_contact *contact, bool cancelled, nplug_time time)
{
    contact->flags |= (uint8_t)(NP_CONTACT_ENDED | (cancelled ? NP_CONTACT_CANCELLED : 0));
    contact->last = time;
}

/* A finger whose contact was ended for it counts again only when it has been lifted. */
static bool is_ignored(np_contacts *contacts, const np_finger *finger)
{
    uint32_t at = surface_at(contacts, finger->device), bit = 1u << finger->number;

    if (at == NP_SURFACES) return false;
    if (!finger->down) contacts->surfaces[at].ignored &= ~bit;
    return (contacts->surfaces[at].ignored & bit) != 0;
}

np_touched np_contacts_hear(np_contacts *contacts, const np_finger *finger)
{
    np_touched touched = {np_contacts_find(contacts, finger->device, finger->number),
                          {0.0f, 0.0f},
                          false,
                          false,
                          false,
                          false};
    np_contact *contact;

    contacts->used = true;
    if (touched.contact == NP_NONE) {
        if (!finger->down || is_ignored(contacts, finger)) {
            is_ignored(contacts, finger);
            return touched;
        }
        touched.contact = begin(contacts, finger);
        touched.began = touched.contact != NP_NONE;
        touched.full = !touched.began;
        return touched;
    }
    contact = &contacts->list[touched.contact];
    touched.from = contact->place;
    touched.moved = touched.from.x != finger->place.x || touched.from.y != finger->place.y;
    if (touched.moved) move(contacts, contact, finger);
    touched.ended = !finger->down;
    if (touched.ended) end(contact, finger->cancelled, finger->time);
    return touched;
}

void np_contacts_cancel(np_contacts *contacts, uint32_t device, nplug_time time)
{
    uint32_t at = surface_at(contacts, device);

    for (uint32_t i = 0; i < contacts->limit; i++) {
        np_contact *contact = &contacts->list[i];
        if (contact->id == 0 || contact->device != device || contact->flags & NP_CONTACT_ENDED)
            continue;
        end(contact, true, time);
        if (at < NP_SURFACES) contacts->surfaces[at].ignored |= 1u << contact->finger;
    }
}

void np_surfaces_drop(np_contacts *contacts, uint32_t device, nplug_time time)
{
    uint32_t at = surface_at(contacts, device);

    np_contacts_cancel(contacts, device, time);
    if (at < NP_SURFACES) contacts->surfaces[at].used = false;
}

nplug_vec2 np_contact_way(const np_contacts *contacts, const np_contact *contact)
{
    np_surface surface = np_surface_of(contacts, contact->device);
    nplug_vec2 way = {(contact->place.x - contact->start.x) * surface.width,
                      (contact->start.y - contact->place.y) * surface.height};
    return way;
}

void np_contacts_begin_step(np_contacts *contacts)
{
    for (uint32_t i = 0; contacts->used && i < contacts->limit; i++) {
        np_contact *contact = &contacts->list[i];
        if (contact->flags & NP_CONTACT_ENDED) contact->id = 0;
        contact->flags &= (uint8_t)~NP_CONTACT_BEGAN;
    }
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
