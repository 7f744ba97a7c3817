/* Zones: contacts of touch surfaces become signals of controls.
 *
 * Owns np_zones.  Comes in: contacts that begin, move and end.  Goes out: what the zones'
 * signals say. */
#include "core/action/inside.h"
#include <math.h>
#include <string.h>

/* Within a third of its reach a d-pad is at rest; tan(22.5 degrees) parts its eight directions. */
#define DPAD_REST  (1.0f / 3.0f)
#define DPAD_SLOPE 0.41421356f

/* --- where a zone is -------------------------------------------------------------------------- */

/* A length of a zone's in millimetres. */
static float in_mm(const nplug_zone_def *def, float length, float whole)
{
    return def->flags & NPLUG_ZONE_FLAG_MM ? length : length * whole;
}

/* Where a side of a zone begins, on one of the two ways: counted from the near side, the middle or
 * the far side. */
static float begin_of(uint32_t from, float away, float length, float safe, float whole)
{
    if (from == 0) return safe + away;
    if (from == 2) return safe + whole - away - length;
    return safe + 0.5f * (whole - length) + away;
}

np_box np_zone_box(const np_surface *surface, const nplug_zone_def *def)
{
    float left = surface->safe[0] * surface->width, top = surface->safe[1] * surface->height;
    float width = surface->width * (1.0f - surface->safe[0] - surface->safe[2]);
    float height = surface->height * (1.0f - surface->safe[1] - surface->safe[3]);
    float w = in_mm(def, def->width, width), h = in_mm(def, def->height, height);
    np_box box;

    box.least.x = begin_of(def->corner % 3, in_mm(def, def->x, width), w, left, width);
    box.least.y = begin_of(def->corner / 3, in_mm(def, def->y, height), h, top, height);
    box.most.x = box.least.x + w;
    box.most.y = box.least.y + h;
    box.reach = in_mm(def, def->reach, width < height ? width : height);
    if (box.reach <= 0.0f) box.reach = 0.5f * (w < h ? w : h);
    return box;
}

void np_zones_wish(np_zones *zones, const nplug_command *command)
{
    np_zone_wish *wish;

    if (command->number >= zones->limit) return;
    wish = &zones->wishes[command->number];
    wish->x = command->strong;
    wish->y = command->weak;
    wish->scale = command->control;
    wish->opacity = (uint8_t)(command->on & 255u);
    wish->show = (uint8_t)(command->on >> 8);
}

np_zone_wish np_zones_wished(const np_zones *zones, uint32_t zone)
{
    np_zone_wish usual = {(uint16_t)NP_WISH_MOVE, (uint16_t)NP_WISH_MOVE, (uint16_t)NP_WISH_SCALE,
                          255, NPLUG_ZONE_SHOW_TOUCH};

    return zone < zones->limit && zones->wishes[zone].scale ? zones->wishes[zone] : usual;
}

/* A side of a zone moved and scaled about its middle, kept within the safe part where it fits. */
static void change_side(float *least, float *most, float move, float scale, float safe, float whole)
{
    float half = 0.5f * scale * (*most - *least);
    float middle = 0.5f * (*least + *most) + move * whole;

    if (middle - half < safe) middle = safe + half;
    if (middle + half > safe + whole) middle = safe + whole - half;
    if (2.0f * half > whole) middle = safe + 0.5f * whole;
    *least = middle - half;
    *most = middle + half;
}

np_box np_zone_box_now(const np_action_room *room, const np_surface *surface, uint32_t zone)
{
    np_box box = np_zone_box(surface, np_zone_row(&room->game->def, zone));
    np_zone_wish wish = np_zones_wished(&room->zones, zone);
    float scale = (float)wish.scale / NP_WISH_SCALE;

    if (zone >= room->zones.limit || room->zones.wishes[zone].scale == 0) return box;
    change_side(&box.least.x, &box.most.x, (float)wish.x / NP_WISH_MOVE - 1.0f, scale,
                surface->safe[0] * surface->width,
                surface->width * (1.0f - surface->safe[0] - surface->safe[2]));
    change_side(&box.least.y, &box.most.y, (float)wish.y / NP_WISH_MOVE - 1.0f, scale,
                surface->safe[1] * surface->height,
                surface->height * (1.0f - surface->safe[1] - surface->safe[3]));
    box.reach *= scale;
    return box;
}

nplug_vec2 np_box_middle(const np_box *box)
{
    nplug_vec2 middle = {0.5f * (box->least.x + box->most.x), 0.5f * (box->least.y + box->most.y)};
    return middle;
}

static bool is_inside(const np_box *box, bool round, nplug_vec2 at)
{
    nplug_vec2 middle = np_box_middle(box);
    float x = at.x - middle.x, y = at.y - middle.y;
    float w = 0.5f * (box->most.x - box->least.x), h = 0.5f * (box->most.y - box->least.y);

    if (round) return x * x / (w * w) + y * y / (h * h) <= 1.0f;
    return x >= -w && x <= w && y >= -h && y <= h;
}

static nplug_vec2 place_in_mm(const np_surface *surface, nplug_vec2 place)
{
    nplug_vec2 at = {place.x * surface->width, place.y * surface->height};
    return at;
}

/* --- who gets a contact -------------------------------------------------------------------------
 */

uint32_t np_zone_hearers(const np_action_room *room, const np_zone_state *zone)
{
    np_run run = room->controls->of_signal[zone->first_signal];

    if (run.count == 0) return 0;
    return np_players_hearing(room->players,
                              &room->controls->list[room->controls->wires[run.first].control]);
}

bool np_zone_shown(const np_action_room *room, const np_zone_state *zone)
{
    uint32_t layer = np_zone_row(&room->game->def, zone->zone)->layer;
    uint32_t hearers = np_zone_hearers(room, zone);

    if (np_zones_wished(&room->zones, zone->zone).show == NPLUG_ZONE_SHOW_NEVER) return false;
    for (; hearers; hearers = np_bits_rest(hearers))
        if (np_layers_on(&room->layers, np_bits_lowest(hearers), layer)) return true;
    return false;
}

static uint32_t zone_at(const np_action_room *room, uint32_t device, nplug_vec2 place, bool shown)
{
    const np_surface *surface = np_surface_of(room->contacts, device);
    const nplug_zone_def *best = NULL;
    uint32_t found = NP_NO_INDEX;
    nplug_vec2 at;

    if (!surface) return found;
    at = place_in_mm(surface, place);
    for (uint32_t i = 0; i < room->zones.limit; i++) {
        const np_zone_state *zone = &room->zones.list[i];
        const nplug_zone_def *def;
        np_box box;
        if (!zone->used || zone->device != device) continue;
        def = np_zone_row(&room->game->def, zone->zone);
        box = np_zone_box_now(room, surface, zone->zone);
        if (!is_inside(&box, (def->flags & NPLUG_ZONE_FLAG_ROUND) != 0, at)) continue;
        if ((best && def->priority <= best->priority) || (shown && !np_zone_shown(room, zone)))
            continue;
        best = def;
        found = i;
    }
    return found;
}

uint8_t np_zones_part(const np_action_room *room, uint32_t device, nplug_vec2 place)
{
    uint32_t found = zone_at(room, device, place, false);

    if (found == NP_NO_INDEX) return 0;
    return (uint8_t)np_zone_row(&room->game->def, room->zones.list[found].zone)->part;
}

/* --- what a zone says ---------------------------------------------------------------------------
 */

static float eighth(float way, float other)
{
    float sign = way < 0.0f ? -1.0f : 1.0f;
    return fabsf(way) > DPAD_SLOPE * fabsf(other) ? sign : 0.0f;
}

static nplug_vec2 as_dpad(nplug_vec2 way)
{
    nplug_vec2 none = {0.0f, 0.0f}, to = {eighth(way.x, way.y), eighth(way.y, way.x)};
    return way.x * way.x + way.y * way.y < DPAD_REST * DPAD_REST ? none : to;
}

/* Two numbers, or four buttons: up, down, left, right. */
static void say_pair(const np_zone_state *zone, nplug_vec2 value, np_zone_news *news)
{
    if (zone->signals == 2) {
        np_zone_say(zone, 0, NP_ZONE_VALUE, np_zone_raw(value.x, NP_ZONE_END), news);
        np_zone_say(zone, 1, NP_ZONE_VALUE, np_zone_raw(value.y, NP_ZONE_END), news);
        return;
    }
    value = as_dpad(value);
    np_zone_say(zone, 0, NP_ZONE_VALUE, value.y > 0.0f, news);
    np_zone_say(zone, 1, NP_ZONE_VALUE, value.y < 0.0f, news);
    np_zone_say(zone, 2, NP_ZONE_VALUE, value.x < 0.0f, news);
    np_zone_say(zone, 3, NP_ZONE_VALUE, value.x > 0.0f, news);
}

/* How far a contact is from the stick's middle, as a share of its reach, never beyond that. */
static nplug_vec2 deflection(const np_zone_state *zone, nplug_vec2 at, bool *beyond)
{
    float reach = zone->box.reach;
    nplug_vec2 way = {(at.x - zone->middle.x) / reach, (zone->middle.y - at.y) / reach};
    float length = sqrtf(way.x * way.x + way.y * way.y);

    *beyond = length > 1.0f;
    if (*beyond) {
        way.x /= length;
        way.y /= length;
    }
    return way;
}

/* A middle that follows is drawn along. */
static void follow(np_zone_state *zone, nplug_vec2 at, nplug_vec2 way)
{
    zone->middle.x = at.x - way.x * zone->box.reach;
    zone->middle.y = at.y + way.y * zone->box.reach;
}

static void drive_slider(np_zone_state *zone, const np_box *box, nplug_vec2 at, np_zone_news *news)
{
    float w = box->most.x - box->least.x, h = box->most.y - box->least.y;
    float share = w >= h ? (at.x - box->least.x) / w : (box->most.y - at.y) / h;

    share = share < 0.0f ? 0.0f : share > 1.0f ? 1.0f : share;
    np_zone_say(zone, 0, NP_ZONE_VALUE, np_zone_raw(share, NP_ZONE_END), news);
}

/* --- contacts of a zone -------------------------------------------------------------------------
 */

typedef struct np_held {
    np_zone_state *zone;
    const np_surface *surface;
    nplug_vec2 at; /* millimetres from the upper left */
} np_held;

static np_held held_by(np_action_room *room, uint32_t index)
{
    const np_contact *contact = &room->contacts->list[index];
    np_held held;

    held.zone = &room->zones.list[room->zones.owner[index]];
    held.surface = np_surface_of(room->contacts, contact->device);
    held.at = place_in_mm(held.surface, contact->place);
    return held;
}

static uint32_t flags_of(const np_action_room *room, const np_zone_state *zone)
{
    return np_zone_row(&room->game->def, zone->zone)->flags;
}

static void drive_stick(const np_action_room *room, np_zone_state *zone, nplug_vec2 at,
                        np_zone_news *news)
{
    bool beyond;
    nplug_vec2 value = deflection(zone, at, &beyond);

    if (beyond && flags_of(room, zone) & NPLUG_ZONE_FLAG_FOLLOWS) follow(zone, at, value);
    if (zone->kind == NPLUG_ZONE_DPAD) value = as_dpad(value);
    say_pair(zone, value, news);
}

static void drive(const np_action_room *room, np_zone_state *zone, nplug_vec2 at,
                  np_zone_news *news)
{
    if (zone->kind == NPLUG_ZONE_STICK || zone->kind == NPLUG_ZONE_DPAD)
        drive_stick(room, zone, at, news);
    else if (zone->kind == NPLUG_ZONE_SLIDER)
        drive_slider(zone, &zone->box, at, news);
}

/* The first contact of a zone drives it. */
static void take_over(const np_action_room *room, np_held *held, uint32_t index, np_zone_news *news)
{
    bool lands = (flags_of(room, held->zone) & NPLUG_ZONE_FLAG_LANDS) != 0;

    held->zone->driver = (uint16_t)index;
    held->zone->middle = lands ? held->at : np_box_middle(&held->zone->box);
    if (held->zone->kind == NPLUG_ZONE_BUTTON) np_zone_say(held->zone, 0, NP_ZONE_VALUE, 1, news);
    drive(room, held->zone, held->at, news);
}

static void begin(np_action_room *room, uint32_t index, np_zone_news *news)
{
    np_held held = held_by(room, index);

    if (held.zone->contacts == 0)
        held.zone->box = np_zone_box_now(room, held.surface, held.zone->zone);
    if (held.zone->kind == NPLUG_ZONE_AREA)
        np_area_begin(room, held.zone, index, news);
    else if (held.zone->contacts == 0)
        take_over(room, &held, index, news);
    held.zone->contacts++;
}

static void move(np_action_room *room, np_zone_state *zone, const np_touched *touched,
                 np_zone_news *news)
{
    const np_contact *contact = &room->contacts->list[touched->contact];

    if (zone->kind == NPLUG_ZONE_AREA)
        np_area_move(room, zone, touched, news);
    else if (zone->driver == touched->contact)
        drive(room, zone, place_in_mm(touched->surface, contact->place), news);
}

static void end(np_action_room *room, uint32_t index, np_zone_news *news)
{
    np_held held = held_by(room, index);
    np_zone_state *zone = held.zone;
    nplug_vec2 rest = {0.0f, 0.0f};

    zone->contacts--;
    if (held.zone->kind == NPLUG_ZONE_AREA) {
        np_area_end(room, zone, index, news);
    } else if (held.zone->kind == NPLUG_ZONE_BUTTON) {
        if (zone->contacts == 0) np_zone_say(zone, 0, NP_ZONE_VALUE, 0, news);
    } else if (zone->driver == index) {
        zone->driver = NP_NO_INDEX;
        if (held.zone->kind != NPLUG_ZONE_SLIDER) say_pair(zone, rest, news);
    }
}

bool np_zones_follow(const np_action_room *room, uint32_t contact)
{
    uint16_t owner = room->zones.owner[contact];
    return owner != NP_NO_INDEX && room->zones.list[owner].kind != NPLUG_ZONE_BUTTON;
}

void np_zones_glide(np_action_room *room, const np_touched *touched, np_zone_news *news)
{
    uint16_t owner = room->zones.owner[touched->contact];

    if (owner != NP_NO_INDEX) move(room, &room->zones.list[owner], touched, news);
}

bool np_zones_hear(np_action_room *room, const np_touched *touched, np_zone_news *news)
{
    const np_contact *contact = &room->contacts->list[touched->contact];
    uint16_t *owner = &room->zones.owner[touched->contact];

    if (touched->began) {
        *owner = (uint16_t)zone_at(room, contact->device, contact->place, true);
        if (*owner != NP_NO_INDEX) begin(room, touched->contact, news);
    }
    if (*owner == NP_NO_INDEX) return false;
    if (touched->moved) move(room, &room->zones.list[*owner], touched, news);
    if (touched->ended) end(room, touched->contact, news);
    return true;
}

/* --- surfaces come and go ------------------------------------------------------------------------
 */

bool np_zones_add_device(np_action_room *room, uint32_t device, uint32_t first_signal)
{
    const nplug_game *def = &room->game->def;
    uint32_t place = 0;

    for (uint32_t z = 0; z < def->zone_count; z++) {
        np_zone_state *zone;
        while (place < room->zones.limit && room->zones.list[place].used)
            place++;
        if (place == room->zones.limit) return false;
        zone = &room->zones.list[place];
        memset(zone, 0, sizeof *zone);
        zone->used = true;
        zone->device = (uint16_t)device;
        zone->zone = (uint16_t)z;
        zone->kind = (uint8_t)np_zone_row(def, z)->kind;
        zone->driver = zone->second = NP_NO_INDEX;
        zone->first_signal = (uint16_t)first_signal;
        zone->signals = (uint8_t)np_zone_signals(def, z);
        first_signal += zone->signals;
    }
    return true;
}

void np_zones_rest(np_zones *zones, uint32_t device)
{
    for (uint32_t i = 0; i < zones->limit; i++) {
        np_zone_state *zone = &zones->list[i];
        if (!zone->used || zone->device != device) continue;
        zone->contacts = 0;
        zone->alone = zone->tapping = false;
        zone->driver = zone->second = NP_NO_INDEX;
    }
}

void np_zones_drop_device(np_zones *zones, uint32_t device)
{
    for (uint32_t i = 0; i < zones->limit; i++)
        if (zones->list[i].device == device) zones->list[i].used = false;
}
