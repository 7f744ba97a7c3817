/* Pointing: where each player pressed, by mouse, pen or finger alike.
 *
 * Owns np_player_room.pointers.  Comes in: controls that are pressed and let go.  Goes out: where
 * that was. */
#include "core/player/player.h"

static bool is_press(nplug_control control)
{
    return control == NPLUG_CONTROL(NPLUG_CLASS_MOUSE, NPLUG_MOUSE_LEFT) ||
           control == NPLUG_CONTROL(NPLUG_CLASS_POINTER, NPLUG_POINTER_PRESS);
}

/* Where a device points as it is pressed or let go. */
static nplug_vec2 place_of(const np_player_room *room, uint32_t device)
{
    const np_contacts *contacts = &room->device->contacts;
    const np_surface *surface = np_surface_of(contacts, device);
    nplug_vec2 place = {0.0f, 0.0f};
    np_finger finger;

    if (surface && surface->pointing != NP_NO_WIRE &&
        np_finger_look(room->device, device, contacts->list[surface->pointing].finger, &finger))
        return finger.place;
    if (surface) return surface->pointed;
    np_controls_place(room->controls, room->devices, device,
                      NPLUG_CONTROL(NPLUG_CLASS_MOUSE, NPLUG_MOUSE_PLACE), &place);
    return place;
}

static void press(np_pointer *pointer, const np_change *change, nplug_vec2 place)
{
    pointer->device = change->device;
    pointer->press_time = change->time;
    pointer->press = place;
    pointer->down = true;
}

static void release(np_pointer *pointer, nplug_vec2 place, bool cancelled, nplug_time time)
{
    pointer->release_time = time;
    pointer->release = place;
    pointer->down = false;
    pointer->cancelled = cancelled;
}

void np_pointers_hear(np_player_room *room, const np_change *change, np_edge edge)
{
    const np_control *control = &room->controls->list[change->control];
    uint32_t hearers;
    nplug_vec2 place;

    if (edge == NP_EDGE_NONE || !is_press(change->id)) return;
    place = place_of(room, control->device);
    hearers = np_players_hearing(&room->players, control);
    for (; hearers; hearers = np_bits_rest(hearers)) {
        np_pointer *pointer = &room->pointers[np_bits_lowest(hearers)];
        if (edge == NP_EDGE_PRESS && !(control->flags & NP_CONTROL_SPENT))
            press(pointer, change, place);
        else if (pointer->down && pointer->device == change->device)
            release(pointer, place, change->cancelled, change->time);
    }
}

/* Whether a part of a device has something that presses. */
static bool has_press(const np_player_room *room, uint32_t device, uint32_t part)
{
    np_run run = room->controls->of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        if (is_press(room->controls->list[i].id) &&
            (part == NP_ALL_PARTS || room->controls->list[i].part == part))
            return true;
    return false;
}

void np_pointers_release(np_player_room *room, uint32_t device, uint32_t part, uint32_t players,
                         nplug_time time)
{
    nplug_device handle = np_devices_handle(room->devices, device);

    for (uint32_t p = 0; p <= room->limits->players; p++) {
        np_pointer *pointer = &room->pointers[p];
        if (!((players >> p) & 1u) || !pointer->down || pointer->device != handle) continue;
        if (has_press(room, device, part)) release(pointer, place_of(room, device), true, time);
    }
}
