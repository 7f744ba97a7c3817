/* Areas: movement, taps, swipes, and two fingers that part or turn.
 *
 * Owns what np_zones keeps of areas.  Comes in: their contacts.  Goes out: what their signals
 * say. */
#include "core/action/inside.h"
#include <math.h>

/* Their signals, in the order of np_zone_signal_at. */
enum { MOVE_X, MOVE_Y, TAP, SWIPE_X, SWIPE_Y, PINCH, TURN };

/* A tap stays within this (millimetres); a swipe goes further, in time (microseconds), and
 * straight: so much of its path at least is way. */
#define TAP_MOST       3.0f
#define SWIPE_LEAST    10.0f
#define SWIPE_TIME     500000u
#define SWIPE_STRAIGHT (2.0f / 3.0f)

static float length(nplug_vec2 v)
{
    return sqrtf(v.x * v.x + v.y * v.y);
}

/* From one of an area's two fingers to the other, in millimetres. */
static nplug_vec2 between(const np_contacts *contacts, const np_zone_state *zone)
{
    const np_surface *surface = np_surface_of(contacts, zone->device);
    nplug_vec2 a = contacts->list[zone->driver].place, b = contacts->list[zone->second].place;
    nplug_vec2 way = {(b.x - a.x) * surface->width, (b.y - a.y) * surface->height};

    return way;
}

/* No tap comes of it any more. */
static void spoil_tap(np_zone_state *zone, np_zone_news *news)
{
    if (!zone->tapping) return;
    zone->tapping = false;
    np_zone_say(zone, TAP, NP_ZONE_CANCELLED, 0, news);
}

void np_area_begin(np_action_room *room, np_zone_state *zone, uint32_t index, np_zone_news *news)
{
    if (zone->contacts == 0) {
        zone->driver = (uint16_t)index;
        zone->second = NP_NO_INDEX;
        zone->alone = zone->tapping = true;
        np_zone_say(zone, TAP, NP_ZONE_VALUE, 1, news);
        return;
    }
    zone->alone = false;
    spoil_tap(zone, news);
    if (zone->driver == NP_NO_INDEX || zone->second != NP_NO_INDEX) return;
    zone->second = (uint16_t)index;
    zone->apart = between(room->contacts, zone);
}

static float within_one(float value)
{
    return value > 1.0f ? 1.0f : value < -1.0f ? -1.0f : value;
}

static void say_two(const np_contacts *contacts, const np_zone_state *zone, np_zone_news *news)
{
    nplug_vec2 was = zone->apart, is = between(contacts, zone);
    float before = length(was), now = length(is), product, sine;

    if (before < 1.0f) before = 1.0f; /* fingers are not nearer than this: it is noise */
    product = before * (now < 1.0f ? 1.0f : now);
    sine = (was.x * is.y - was.y * is.x) / product;
    if (was.x * is.x + was.y * is.y < 0.0f) sine = sine < 0.0f ? -1.0f : 1.0f;
    np_zone_say(zone, PINCH, NP_ZONE_VALUE,
                np_zone_raw(within_one(now / before - 1.0f), NP_ZONE_END), news);
    np_zone_say(zone, TURN, NP_ZONE_VALUE, np_zone_raw(within_one(sine), NP_ZONE_END), news);
}

/* Whether a contact is one of an area's two fingers, and the last of them to be heard now. */
static bool completes_two(const np_contacts *contacts, const np_zone_state *zone,
                          const np_touched *touched)
{
    uint32_t other = touched->contact == zone->driver ? zone->second : zone->driver;

    if (zone->second == NP_NO_INDEX) return false;
    if (touched->contact != zone->driver && touched->contact != zone->second) return false;
    return !((touched->later >> contacts->list[other].finger) & 1u);
}

static void note_moved(np_zones *zones, np_zone_state *zone)
{
    uint16_t place = (uint16_t)(zone - zones->list + 1);

    zone->has_moved = true;
    zone->moved_next = 0;
    if (zones->moved_first)
        zones->list[zones->moved_last - 1].moved_next = place;
    else
        zones->moved_first = place;
    zones->moved_last = place;
}

bool np_zones_take_moved(np_zones *zones, int32_t by[2], uint32_t *signal)
{
    np_zone_state *zone;

    if (zones->moved_first == 0) return false;
    zone = &zones->list[zones->moved_first - 1];
    zones->moved_first = zone->moved_next;
    zone->has_moved = false;
    *signal = zone->first_signal + MOVE_X;
    for (unsigned i = MOVE_X; i <= MOVE_Y; i++) {
        by[i] = zone->moved[i];
        zone->moved[i] = 0;
    }
    return true;
}

void np_area_move(np_action_room *room, np_zone_state *zone, const np_touched *touched,
                  np_zone_news *news)
{
    nplug_vec2 from = touched->from;
    const np_contact *contact = &room->contacts->list[touched->contact];
    const np_surface *surface = touched->surface;
    float share = NP_ZONE_MM / (float)zone->contacts;
    float x = (contact->place.x - from.x) * surface->width * share;
    float y = (from.y - contact->place.y) * surface->height * share;

    zone->moved[MOVE_X] += np_zone_raw(x, 1.0f);
    zone->moved[MOVE_Y] += np_zone_raw(y, 1.0f);
    if (!zone->has_moved) note_moved(&room->zones, zone);
    if (zone->tapping && length(np_contact_way(room->contacts, contact)) > TAP_MOST)
        spoil_tap(zone, news);
    if (completes_two(room->contacts, zone, touched)) say_two(room->contacts, zone, news);
}

/* A contact that was alone ends on its way. */
static void swipe(const np_action_room *room, np_zone_state *zone, const np_contact *contact,
                  np_zone_news *news)
{
    nplug_vec2 way = np_contact_way(room->contacts, contact);
    nplug_time span = contact->last - contact->begin;
    float far = length(way), seconds = (float)span / 1000000.0f;
    bool across = fabsf(way.x) >= fabsf(way.y);

    if (!zone->alone || contact->flags & NP_CONTACT_CANCELLED || span > SWIPE_TIME || span == 0)
        return;
    if (far < SWIPE_LEAST || far < SWIPE_STRAIGHT * contact->path) return;
    zone->swipe.x = way.x / seconds;
    zone->swipe.y = way.y / seconds;
    np_zone_say(zone, across ? SWIPE_X : SWIPE_Y, NP_ZONE_STRUCK,
                (across ? way.x : way.y) < 0.0f ? -1 : 1, news);
}

void np_area_end(np_action_room *room, np_zone_state *zone, uint32_t index, np_zone_news *news)
{
    const np_contact *contact = &room->contacts->list[index];

    if (zone->tapping && contact->flags & NP_CONTACT_CANCELLED) spoil_tap(zone, news);
    if (zone->tapping) np_zone_say(zone, TAP, NP_ZONE_VALUE, 0, news);
    zone->tapping = false;
    swipe(room, zone, contact, news);
    if (index != zone->driver && index != zone->second) return;
    if (zone->second != NP_NO_INDEX) {
        np_zone_say(zone, PINCH, NP_ZONE_VALUE, 0, news);
        np_zone_say(zone, TURN, NP_ZONE_VALUE, 0, news);
    }
    zone->driver = index == zone->driver ? zone->second : zone->driver;
    zone->second = NP_NO_INDEX;
}
