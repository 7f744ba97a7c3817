/* What the game may ask about touch surfaces, and how large it says that they are.
 *
 * Owns nothing.  Comes in: a contact, a zone, a surface.  Goes out: facts; a command. */
#include "core/calls/calls.h"
#include <string.h>

const nplug_game *nplug_nest_game(const nplug_nest *nest)
{
    return nest && nest->game.game.used ? &nest->game.game.def : NULL;
}

/* --- contacts --------------------------------------------------------------------------------- */

uint32_t nplug_contact_count(const nplug_nest *nest)
{
    uint32_t count = 0;

    for (uint32_t i = 0; nest && i < nest->device.contacts.limit; i++)
        count += nest->device.contacts.list[i].id != 0;
    return count;
}

/* Who hears what a contact does: its zone's players, or its surface's. */
static uint32_t players_of(const nplug_nest *nest, const np_contact *contact, uint32_t owner)
{
    if (owner == NP_NO_INDEX) return np_players_of(&nest->player.players, contact->device) >> 1;
    return np_zone_hearers(&nest->action, &nest->action.zones.list[owner]) >> 1;
}

/* A contact as it is now: nobody may have had to see where it went. */
static np_contact contact_now(const nplug_nest *nest, uint32_t place)
{
    np_contact contact = nest->device.contacts.list[place];
    np_finger finger;

    if (contact.flags & NP_CONTACT_ENDED) return contact;
    if (np_finger_look(&nest->device, contact.device, contact.finger, &finger))
        contact.place = finger.place;
    return contact;
}

nplug_result nplug_contact_info(const nplug_nest *nest, uint32_t index, nplug_contact_facts *facts)
{
    nplug_contact_facts now = {0};
    np_contact contact;
    uint32_t place, owner;

    if (!nest || !facts) return NPLUG_ERR_ARGUMENT;
    place = np_contacts_nth(&nest->device.contacts, index);
    if (place != NP_NONE) {
        contact = contact_now(nest, place);
        owner = nest->action.zones.owner[place];
        now.device = np_devices_handle(&nest->device.devices, contact.device);
        now.id = contact.id;
        now.finger = contact.finger;
        now.zone = owner == NP_NO_INDEX ? NPLUG_NO_ZONE : nest->action.zones.list[owner].zone;
        now.players = players_of(nest, &contact, owner);
        now.start = contact.start;
        now.place = contact.place;
        now.way_mm = np_contact_way(&nest->device.contacts, &contact);
        now.begin_time = contact.begin;
        now.began = (contact.flags & NP_CONTACT_BEGAN) != 0;
        now.ended = (contact.flags & NP_CONTACT_ENDED) != 0;
        now.cancelled = (contact.flags & NP_CONTACT_CANCELLED) != 0;
        now.pressure = np_finger_pressure(&nest->device, contact.device, contact.finger);
        now.age_us = (now.ended ? contact.last : nest->feed.processed) - contact.begin;
    }
    if (np_size_give(facts, NP_FIRST(nplug_contact_facts, reserved), &now, sizeof now) != NPLUG_OK)
        return NPLUG_ERR_SIZE;
    return place == NP_NONE ? NPLUG_ERR_UNKNOWN : NPLUG_OK;
}

/* --- zones ------------------------------------------------------------------------------------ */

uint32_t nplug_zone_count(const nplug_nest *nest)
{
    return nest ? nest->game.game.def.zone_count : 0;
}

uint32_t nplug_zone_number(const nplug_nest *nest, const char *name)
{
    for (uint32_t i = 0; name && i < nplug_zone_count(nest); i++)
        if (strcmp(np_zone_row(&nest->game.game.def, i)->name, name) == 0) return i;
    return NPLUG_NO_ZONE;
}

static const np_zone_state *find_zone(const nplug_nest *nest, uint32_t device, uint32_t number)
{
    const np_zones *zones = &nest->action.zones;

    for (uint32_t i = 0; i < zones->limit; i++)
        if (zones->list[i].used && zones->list[i].device == device && zones->list[i].zone == number)
            return &zones->list[i];
    return NULL;
}

static nplug_vec2 as_share(const np_surface *surface, nplug_vec2 at)
{
    nplug_vec2 share = {at.x / surface->width, at.y / surface->height};
    return share;
}

static const np_control *control_of(const nplug_nest *nest, const np_zone_state *zone)
{
    const np_controls *controls = &nest->device.controls;
    np_run run = controls->of_signal[zone->first_signal];

    return run.count ? &controls->list[controls->wires[run.first].control] : NULL;
}

/* Where a stick's knob is, or how far a slider stands; else the middle. */
static nplug_vec2 knob_of(const np_zone_state *zone, const nplug_zone_def *def, const np_box *box,
                          nplug_vec2 middle, nplug_vec2 value)
{
    float w = box->most.x - box->least.x, h = box->most.y - box->least.y;

    if (def->kind == NPLUG_ZONE_SLIDER && w >= h) middle.x = box->least.x + value.x * w;
    if (def->kind == NPLUG_ZONE_SLIDER && w < h) middle.y = box->most.y - value.x * h;
    if (def->kind != NPLUG_ZONE_STICK && def->kind != NPLUG_ZONE_DPAD) return middle;
    if (zone->driver == NP_NO_INDEX) return middle;
    middle.x += value.x * box->reach;
    middle.y -= value.y * box->reach;
    return middle;
}

static void fill_zone(const nplug_nest *nest, const np_zone_state *zone, nplug_zone_facts *facts)
{
    const nplug_zone_def *def = np_zone_row(&nest->game.game.def, zone->zone);
    const np_surface *surface = np_surface_of(&nest->device.contacts, zone->device);
    np_box box = np_zone_box_now(&nest->action, surface, zone->zone);
    const np_control *control = control_of(nest, zone);
    nplug_vec2 middle = np_box_middle(&box);
    bool sticks = def->kind == NPLUG_ZONE_STICK || def->kind == NPLUG_ZONE_DPAD;

    facts->kind = def->kind;
    facts->name = def->name;
    facts->layer = def->layer;
    if (control) facts->control = control->id;
    if (control && def->kind != NPLUG_ZONE_AREA) facts->value = np_controls_heard(control);
    if (sticks && zone->driver != NP_NO_INDEX) middle = zone->middle;
    facts->least = as_share(surface, box.least);
    facts->most = as_share(surface, box.most);
    facts->middle = as_share(surface, middle);
    facts->knob = as_share(surface, knob_of(zone, def, &box, middle, facts->value));
    facts->swipe_mm_s = zone->swipe;
    facts->contacts = zone->contacts;
    facts->part = def->part;
    facts->players = np_zone_hearers(&nest->action, zone) >> 1;
    facts->opacity = (float)np_zones_wished(&nest->action.zones, zone->zone).opacity / 255.0f;
    facts->shown = np_zone_shown(&nest->action, zone);
    facts->pressed = zone->contacts != 0;
    facts->round = (def->flags & NPLUG_ZONE_FLAG_ROUND) != 0;
}

nplug_result nplug_zone_info(const nplug_nest *nest, nplug_device device, uint32_t number,
                             nplug_zone_facts *facts)
{
    nplug_zone_facts now = {0};
    const np_zone_state *zone;
    nplug_result known;

    if (!nest || !facts) return NPLUG_ERR_ARGUMENT;
    known = np_devices_check(&nest->device.devices, device);
    if (known != NPLUG_OK) return known;
    zone = find_zone(nest, np_devices_index(&nest->device.devices, device), number);
    if (zone) fill_zone(nest, zone, &now);
    if (np_size_give(facts, NP_FIRST(nplug_zone_facts, reserved_2), &now, sizeof now) != NPLUG_OK)
        return NPLUG_ERR_SIZE;
    return zone ? NPLUG_OK : NPLUG_ERR_UNKNOWN;
}

void nplug_zone_place(const nplug_zone_def *zone, const nplug_surface *surface, nplug_vec2 *least,
                      nplug_vec2 *most)
{
    np_surface on = np_surface_sized(surface->width_mm, surface->height_mm);
    np_box box;

    on.safe[0] = surface->left;
    on.safe[1] = surface->top;
    on.safe[2] = surface->right;
    on.safe[3] = surface->bottom;
    box = np_zone_box(&on, zone);
    *least = box.least;
    *most = box.most;
}

/* --- how somebody wants a zone ------------------------------------------------------------------
 */

static uint16_t packed_move(float share)
{
    return (uint16_t)((share + 1.0f) * NP_WISH_MOVE + 0.5f);
}

static bool is_wish(const nplug_zone_wish *wish)
{
    return wish->show <= NPLUG_ZONE_SHOW_NEVER && wish->move.x >= -1.0f && wish->move.x <= 1.0f &&
           wish->move.y >= -1.0f && wish->move.y <= 1.0f && wish->scale >= 0.25f &&
           wish->scale <= 4.0f && wish->opacity >= 0.0f && wish->opacity <= 1.0f;
}

nplug_result nplug_set_zone(nplug_nest *nest, uint32_t zone, const nplug_zone_wish *from)
{
    nplug_zone_wish wish = nplug_zone_wish_default();
    nplug_command command = {0};

    if (!nest || !from) return NPLUG_ERR_ARGUMENT;
    if (!np_size_take(&wish, sizeof wish, from, NP_FIRST(nplug_zone_wish, reserved)))
        return NPLUG_ERR_SIZE;
    if (zone >= nplug_zone_count(nest)) return NPLUG_ERR_UNKNOWN;
    if (!is_wish(&wish)) return NPLUG_ERR_ARGUMENT;
    if (zone >= nest->limits.zones) return NPLUG_ERR_FULL;
    command.kind = NPLUG_COMMAND_ZONE;
    command.number = zone;
    command.strong = packed_move(wish.move.x);
    command.weak = packed_move(wish.move.y);
    command.control = (uint16_t)(wish.scale * NP_WISH_SCALE + 0.5f);
    command.on = (uint16_t)(wish.show << 8 | (uint32_t)(wish.opacity * 255.0f + 0.5f));
    return nplug_post(nest, &command);
}

nplug_result nplug_zone_wish_info(const nplug_nest *nest, uint32_t zone, nplug_zone_wish *wish)
{
    nplug_zone_wish now = {0};
    np_zone_wish is;

    if (!nest || !wish) return NPLUG_ERR_ARGUMENT;
    is = np_zones_wished(&nest->action.zones, zone);
    now.show = is.show;
    now.move.x = (float)is.x / NP_WISH_MOVE - 1.0f;
    now.move.y = (float)is.y / NP_WISH_MOVE - 1.0f;
    now.scale = (float)is.scale / NP_WISH_SCALE;
    now.opacity = (float)is.opacity / 255.0f;
    if (np_size_give(wish, NP_FIRST(nplug_zone_wish, reserved), &now, sizeof now) != NPLUG_OK)
        return NPLUG_ERR_SIZE;
    return zone < nplug_zone_count(nest) ? NPLUG_OK : NPLUG_ERR_UNKNOWN;
}

/* --- surfaces --------------------------------------------------------------------------------- */

nplug_result nplug_surface_info(const nplug_nest *nest, nplug_device device, nplug_surface *surface)
{
    nplug_surface now = {0};
    nplug_result known;
    const np_surface *is;

    if (!nest || !surface) return NPLUG_ERR_ARGUMENT;
    known = np_devices_check(&nest->device.devices, device);
    if (known != NPLUG_OK) return known;
    is = np_surface_of(&nest->device.contacts, np_devices_index(&nest->device.devices, device));
    if (!is) return NPLUG_ERR_UNKNOWN;
    now.width_mm = is->known ? is->width : 0.0f;
    now.height_mm = is->known ? is->height : 0.0f;
    now.left = is->safe[0];
    now.top = is->safe[1];
    now.right = is->safe[2];
    now.bottom = is->safe[3];
    return np_size_give(surface, NP_FIRST(nplug_surface, bottom), &now, sizeof now);
}

static bool is_length(float mm)
{
    return mm == 0.0f || (mm >= 1.0f && mm <= 6000.0f);
}

static bool is_share(float share)
{
    return share >= 0.0f && share <= 0.4f;
}

static uint16_t packed(float share)
{
    return (uint16_t)(share * 65535.0f + 0.5f);
}

nplug_result nplug_set_surface(nplug_nest *nest, nplug_device device, const nplug_surface *surface)
{
    nplug_command command = {0};
    nplug_surface wish = {0};

    if (!surface) return NPLUG_ERR_ARGUMENT;
    if (!np_size_take(&wish, sizeof wish, surface, NP_FIRST(nplug_surface, bottom)))
        return NPLUG_ERR_SIZE;
    if (!is_length(wish.width_mm) || !is_length(wish.height_mm) || !is_share(wish.left) ||
        !is_share(wish.top) || !is_share(wish.right) || !is_share(wish.bottom))
        return NPLUG_ERR_ARGUMENT;
    command.kind = NPLUG_COMMAND_SURFACE;
    command.device = device;
    command.number =
        (uint32_t)(wish.width_mm * 10.0f + 0.5f) << 16 | (uint32_t)(wish.height_mm * 10.0f + 0.5f);
    command.strong = packed(wish.left);
    command.weak = packed(wish.top);
    command.control = packed(wish.right);
    command.on = packed(wish.bottom);
    return nplug_post(nest, &command);
}
