/* Seats: who gets which device, and why.
 *
 * Owns nothing beside the room.  Comes in: presses on what nobody has, arrivals, departures,
 * commands.  Goes out: news; events of seats. */
#include "core/player/player.h"
#include <string.h>

#define BIT(player) (1u << ((player)-1))
#define ALL         0xffffu /* players */

/* How much news there may be of one device: each of its parts, and whether it is quiet and settled,
 * for the active set that was and for the one that is. */
#define NEWS_A_DEVICE (NPLUG_PARTS_MAX + 1u + 4u)

void np_player_layout(np_player_room *room, np_arena *arena, const nplug_limits *limits)
{
    static const np_array arrays[] = {
        NP_ARRAY(np_player_room, players.parts, devices, NP_ARRAY_OF),
        NP_ARRAY(np_player_room, active.ways, devices, NP_ARRAY_OF),
        NP_ARRAY(np_player_room, active.of, players, NP_ARRAY_PLAYERS),
        NP_ARRAY(np_player_room, pointers, players, NP_ARRAY_PLAYERS)};

    np_arena_lay(arena, room, limits, arrays, sizeof arrays / sizeof *arrays);
    room->players.rule = NPLUG_SEATS_BY_CALL;
    room->players.limit = limits->players;
    room->players.join = room->players.leave = NP_NO_INDEX;
    room->players.main = NPLUG_KIND_HAND_RIGHT;
    for (uint32_t p = 0; arena->base && p <= limits->players; p++)
        room->active.of[p].dwell = NP_DWELL;
    room->news_limit = limits->devices * NEWS_A_DEVICE + NP_PARKED + limits->players;
    room->news = (np_news *)np_arena_take(arena, room->news_limit, sizeof(np_news));
}

/* Others hear a part from now on, where that is news. */
static void set_hearers(np_player_room *room, uint32_t device, uint32_t part, uint32_t leaving,
                        uint32_t joining, uint16_t flags)
{
    np_news news = {0};

    news.kind = NP_NEWS_HEARERS;
    news.device = (uint16_t)device;
    news.part = (uint8_t)part;
    news.leaving = (uint16_t)leaving;
    news.joining = (uint16_t)joining;
    news.flags = flags;
    if (np_players_is_news(room, &news)) np_player_add(room, &news);
}

/* Only these hear a part, or all that a device has where it is 0. */
static void give(np_player_room *room, uint32_t device, uint32_t part, uint32_t hearers,
                 uint16_t flags)
{
    uint32_t parts = room->players.parts[device].parts;

    for (uint32_t i = parts ? 1 : 0; i <= parts; i++)
        if (part == 0 || part == i) set_hearers(room, device, i, ALL, hearers, flags);
}

/* --- sets ----------------------------------------------------------------------------------- */

/* Of a stick and what goes with it, the stick; of a wheel and its pedals, the wheel. */
static bool leads(const np_player_room *room, uint32_t device)
{
    return np_controls_find(room->controls, device,
                            NPLUG_CONTROL(NPLUG_CLASS_STICK, NPLUG_STICK_AILERON)) != NP_NONE ||
           np_controls_find(room->controls, device,
                            NPLUG_CONTROL(NPLUG_CLASS_WHEEL, NPLUG_WHEEL_STEERING)) != NP_NONE;
}

/* Whether a person uses both together.  A keyboard that is shared is no part of a desk. */
static bool go_together(const np_player_room *room, uint32_t a, uint32_t b)
{
    if (room->players.parts[a].parts || room->players.parts[b].parts) return false;
    if (!np_active_same_set(room, a, b)) return false;
    return room->recogniser->of[a].kind != room->recogniser->of[b].kind || !leads(room, a) ||
           !leads(room, b);
}

static bool is_kind(const np_player_room *room, uint32_t device, nplug_device_kind kind)
{
    return room->recogniser->of[device].kind == kind;
}

/* Whether a device is one of this kind of which nobody else than who loses it has a part. */
static bool may_have(const np_player_room *room, uint32_t device, nplug_device_kind kind,
                     uint32_t part, uint32_t losers)
{
    const np_part *about = &room->players.parts[device];

    return is_kind(room, device, kind) && about->parts && !about->ignored &&
           !(about->hearers[part] & ~losers);
}

/* Whoever has the part of a shared keyboard that mice belong to has mice, too; and who clicks one,
 * that part of one keyboard. */
static void claim_mice(np_player_room *room, uint32_t device, uint32_t losers, uint32_t player)
{
    uint32_t part = np_parts_of_mice(&room->game->def);
    bool needs_keys = is_kind(room, device, NPLUG_KIND_MOUSE);

    for (uint32_t i = 0; i < room->devices->count; i++) {
        uint32_t other = room->devices->order[i];
        bool mouse = may_have(room, other, NPLUG_KIND_MOUSE, part, losers);
        bool keys = needs_keys && may_have(room, other, NPLUG_KIND_KEYBOARD, part, losers);
        if (mouse || keys) set_hearers(room, other, part, ALL, BIT(player), 0);
        needs_keys &= !keys;
    }
}

/* Claims a device or a part of it, and all of its set that nobody has but who loses it. */
static void claim_set(np_player_room *room, uint32_t device, uint32_t part, uint32_t player)
{
    uint32_t losers = np_players_of(&room->players, device), mice;

    mice = room->players.parts[device].parts && !is_kind(room, device, NPLUG_KIND_TOUCH)
               ? np_parts_of_mice(&room->game->def)
               : 0;
    give(room, device, part, BIT(player), 0);
    for (uint32_t i = 0; i < room->devices->count; i++) {
        uint32_t other = room->devices->order[i];
        if (other != device && !(np_players_of(&room->players, other) & ~losers) &&
            !room->players.parts[other].ignored && go_together(room, device, other))
            give(room, other, 0, BIT(player), 0);
    }
    if (mice && (part == 0 || part == mice)) claim_mice(room, device, losers >> 1, player);
}

/* --- seats ---------------------------------------------------------------------------------- */

static void seat(np_player_room *room, uint32_t player, uint32_t device, nplug_control control,
                 nplug_time time)
{
    if (room->players.seated & (1u << player)) return;
    room->players.seated |= 1u << player;
    np_players_event(room, NPLUG_EVENT_JOIN, device, player, time, 0)->control = control;
}

static bool may_sit(const np_player_room *room, uint32_t device)
{
    uint32_t kinds = room->game->def.seat_kinds;
    return kinds == 0 || ((kinds >> room->recogniser->of[device].kind) & 1u);
}

/* The lowest seat that is free for a device; 0 where it may have none. */
static uint32_t free_seat(const np_player_room *room, uint32_t device)
{
    if (!may_sit(room, device)) return 0;
    for (uint32_t p = 1; p <= room->players.limit; p++)
        if (!(room->players.seated & (1u << p))) return p;
    return 0;
}

/* The players with nothing left among those who miss a device. */
static uint32_t waiting_for(const np_player_room *room, uint32_t device)
{
    uint32_t hearers = np_players_of(&room->players, device) >> 1;

    for (uint32_t p = 1; p <= room->players.limit; p++)
        if ((hearers & BIT(p)) && !np_players_waits(room, p)) hearers &= ~BIT(p);
    return hearers;
}

/* For which missed device one that was pressed stands in: one of its sort before others, and then
 * the one that has been gone longest. */
static uint32_t to_take_over(const np_player_room *room, uint32_t device)
{
    const np_device *list = room->devices->list;
    uint32_t best = NP_NONE;

    if (room->players.rule == NPLUG_SEATS_BY_CALL || !may_sit(room, device)) return NP_NONE;
    for (uint32_t i = 0; i < room->devices->limit; i++) {
        bool alike = list[i].who.sort == list[device].who.sort, better;
        if (list[i].presence != NP_GONE || !waiting_for(room, i)) continue;
        better = best == NP_NONE || (alike == (list[best].who.sort == list[device].who.sort)
                                         ? list[i].gone_order < list[best].gone_order
                                         : alike);
        if (better) best = i;
    }
    return best;
}

/* What a zone presses was asked for already, by the contact that pressed the zone. */
static bool is_of_zone(const np_player_room *room, const np_change *change)
{
    return is_kind(room, room->controls->list[change->control].device, NPLUG_KIND_TOUCH) &&
           NPLUG_CONTROL_CLASS(change->id) != NPLUG_CLASS_TOUCH;
}

static void ask_to_join(np_player_room *room, const np_change *change)
{
    nplug_command join = {0};

    join.kind = NPLUG_COMMAND_JOIN;
    join.device = change->device;
    join.control = change->id;
    np_out_command(room->out, &join, change->time);
}

static void tell_full(np_player_room *room, uint32_t device, nplug_control control, nplug_time time)
{
    if (may_sit(room, device))
        np_players_event(room, NPLUG_EVENT_FULL, device, 0, time, 0)->control = control;
}

bool np_players_hear(np_player_room *room, const np_change *change, np_edge edge)
{
    const np_control *control = &room->controls->list[change->control];

    if (edge != NP_EDGE_PRESS || control->flags & (NP_CONTROL_SPENT | NP_CONTROL_ASIDE))
        return false;
    if (np_players_hearing(&room->players, control) != 1) return false;
    if (to_take_over(room, control->device) == NP_NONE) {
        if (room->players.rule != NPLUG_SEATS_FIRST_USE) return false;
        if (!free_seat(room, control->device)) {
            tell_full(room, control->device, change->id, change->time);
            return false;
        }
    }
    if (!is_of_zone(room, change)) ask_to_join(room, change);
    return true;
}

/* --- commands ------------------------------------------------------------------------------- */

static void stop_missing(np_player_room *room, uint32_t device, uint32_t players)
{
    np_part *part = &room->players.parts[device];

    for (uint32_t i = 0; i <= NPLUG_PARTS_MAX; i++)
        part->hearers[i] &= (uint16_t)~players;
    room->misses_otherwise = true;
    if (!np_players_of(&room->players, device))
        np_timers_cancel(&room->out->timers, NP_TIMER_WAIT, 0, device);
}

/* A device is now what one was that went, and came back: those who heard it do so again. */
static void take_place(np_player_room *room, uint32_t device, uint32_t gone)
{
    np_part was = room->players.parts[gone];
    uint32_t parts = room->players.parts[device].parts;
    uint32_t players = np_players_of(&room->players, gone) >> 1;

    stop_missing(room, gone, players);
    if (parts != was.parts) {
        give(room, device, 0, players, NPLUG_EVENT_FLAG_RETURNED);
        return;
    }
    for (uint32_t i = 0; i <= parts; i++)
        set_hearers(room, device, i, 0, was.hearers[i], NPLUG_EVENT_FLAG_RETURNED);
}

/* Who waits for one part of a device that went: of the same one, where somebody does, else of the
 * first one.  Those who heard the same part have one device again. */
static uint32_t waiting_for_part(const np_player_room *room, uint32_t gone, uint32_t part)
{
    const uint16_t *hearers = room->players.parts[gone].hearers;
    uint32_t waiting = waiting_for(room, gone);

    if (!(hearers[part] & waiting))
        for (part = 0; part < NPLUG_PARTS_MAX && !(hearers[part] & waiting);)
            part++;
    return hearers[part] & waiting;
}

/* A press takes a part of a device for whoever waits longest; the other parts stay whose they are.
 */
static void take_over(np_player_room *room, uint32_t device, uint32_t part, uint32_t gone)
{
    uint32_t players = waiting_for_part(room, gone, part);

    stop_missing(room, gone, players);
    set_hearers(room, device, part, ALL, players, NPLUG_EVENT_FLAG_TAKEN_OVER);
}

/* Which part of a device a control is in. */
static uint32_t part_with(const np_player_room *room, uint32_t device, nplug_control control)
{
    uint32_t found = np_controls_find(room->controls, device, control);
    return found == NP_NONE ? 0 : room->controls->list[found].part;
}

void np_players_join(np_player_room *room, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_here(room->devices, command->device), part, gone, player;

    if (device == NP_NONE) return;
    part = part_with(room, device, command->control);
    if (room->players.parts[device].hearers[part]) return;
    gone = to_take_over(room, device);
    player = free_seat(room, device);
    if (gone != NP_NONE) {
        take_over(room, device, part, gone);
    } else if (player) {
        seat(room, player, device, command->control, time);
        claim_set(room, device, part, player);
    } else {
        tell_full(room, device, command->control, time);
    }
}

void np_players_claim(np_player_room *room, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_here(room->devices, command->device), parts;

    if (device == NP_NONE || command->number > room->players.parts[device].parts) return;
    seat(room, command->player, device, command->control, time);
    if (!command->on) {
        claim_set(room, device, command->number, command->player);
        return;
    }
    parts = room->players.parts[device].parts;
    for (uint32_t i = parts ? 1 : 0; i <= parts; i++)
        set_hearers(room, device, i, 0, BIT(command->player), 0);
}

/* Some players hear no part of a device any more. */
static void unclaim(np_player_room *room, uint32_t device, uint32_t players)
{
    for (uint32_t i = 0; i <= NPLUG_PARTS_MAX; i++)
        set_hearers(room, device, i, players, 0, 0);
}

void np_players_unclaim(np_player_room *room, const nplug_command *command)
{
    uint32_t device = np_devices_here(room->devices, command->device);

    if (device != NP_NONE) unclaim(room, device, command->player ? BIT(command->player) : ALL);
}

bool np_players_ignore(np_player_room *room, const nplug_command *command)
{
    uint32_t device = np_devices_here(room->devices, command->device);
    np_news news = {0};

    if (device == NP_NONE) return false;
    news.kind = NP_NEWS_IGNORED;
    news.device = (uint16_t)device;
    news.on = command->on != 0;
    if (!np_players_is_news(room, &news)) return false;
    unclaim(room, device, ALL);
    np_player_add(room, &news);
    return true;
}

void np_players_leave(np_player_room *room, uint32_t player, uint16_t flags)
{
    np_news news = {0};

    if (!(room->players.seated & (1u << player))) return;
    for (uint32_t i = 0; i < room->devices->count; i++)
        unclaim(room, room->devices->order[i], BIT(player));
    for (uint32_t i = 0; i < room->devices->limit; i++)
        if (np_players_miss(room, i)) stop_missing(room, i, BIT(player));
    news.kind = NP_NEWS_LEFT;
    news.player = (uint8_t)player;
    news.flags = flags;
    np_player_add(room, &news);
}

/* Two players' bits, the other way round. */
static uint32_t swapped(uint32_t bits, uint32_t a, uint32_t b)
{
    bool differ = ((bits >> a) ^ (bits >> b)) & 1u;
    return differ ? bits ^ (1u << a | 1u << b) : bits;
}

/* Two who both hear a part, and bind it otherwise, begin anew there; whoever else hears it goes on.
 */
static void begin_anew(np_player_room *room, uint32_t device, uint32_t part, uint32_t players)
{
    np_news news = {0};

    news.kind = NP_NEWS_ANEW;
    news.device = (uint16_t)device;
    news.part = (uint8_t)part;
    news.leaving = (uint16_t)(players >> 1);
    np_player_add(room, &news);
}

static void swap_part(np_player_room *room, uint32_t device, uint32_t part, uint32_t a, uint32_t b)
{
    uint16_t *hearers = &room->players.parts[device].hearers[part];
    uint32_t after = swapped((uint32_t)*hearers << 1, a, b), both = 1u << a | 1u << b;

    if (room->devices->list[device].presence != NP_HERE)
        *hearers = (uint16_t)(after >> 1);
    else if (after >> 1 != *hearers)
        set_hearers(room, device, part, ALL, after >> 1, 0);
    else if (after & both)
        begin_anew(room, device, part, both);
}

void np_players_swap(np_player_room *room, const nplug_command *command)
{
    uint32_t a = command->player, b = command->number;

    room->players.seated = swapped(room->players.seated, a, b);
    room->misses_otherwise = true;
    for (uint32_t d = 0; d < room->devices->limit; d++)
        for (uint32_t i = 0; i <= NPLUG_PARTS_MAX; i++)
            swap_part(room, d, i, a, b);
}

/* --- coming and going ----------------------------------------------------------------------- */

/* The players who have what a device goes together with. */
static uint32_t owners_of_set(const np_player_room *room, uint32_t device)
{
    for (uint32_t i = 0; i < room->devices->count; i++) {
        uint32_t other = room->devices->order[i], hearers = np_players_of(&room->players, other);
        if (other != device && hearers && go_together(room, device, other)) return hearers >> 1;
    }
    return 0;
}

/* Those who have the part that mice belong to, of the first other device of a kind that anyone has
 * it of; where one of these kinds is shared. */
static uint32_t owners_of_part(const np_player_room *room, uint32_t device, nplug_device_kind kind)
{
    uint32_t part = np_parts_of_mice(&room->game->def);

    for (uint32_t i = 0; part && i < room->devices->count; i++) {
        uint32_t other = room->devices->order[i];
        if (other == device || !is_kind(room, other, kind)) continue;
        if (room->players.parts[other].hearers[part])
            return room->players.parts[other].hearers[part];
    }
    return 0;
}

/* A mouse comes to whom the part is that mice belong to; a keyboard to who has a mouse, and that
 * part of no other keyboard. */
static uint32_t owners_of_mice(const np_player_room *room, uint32_t device)
{
    if (!room->players.parts[device].parts) return 0;
    if (is_kind(room, device, NPLUG_KIND_MOUSE))
        return owners_of_part(room, device, NPLUG_KIND_KEYBOARD);
    if (owners_of_part(room, device, NPLUG_KIND_KEYBOARD)) return 0;
    return owners_of_part(room, device, NPLUG_KIND_MOUSE);
}

/* The seat that a device takes by coming; a mouse beside shared keyboards takes none. */
static uint32_t seat_by_arrival(const np_player_room *room, uint32_t device)
{
    bool shared = room->players.parts[device].parts && is_kind(room, device, NPLUG_KIND_MOUSE);

    if (room->players.rule != NPLUG_SEATS_BY_ARRIVAL || shared) return 0;
    return free_seat(room, device);
}

static void take_seat(np_player_room *room, uint32_t device, nplug_time time)
{
    uint32_t player = seat_by_arrival(room, device);

    if (!player) return;
    seat(room, player, device, 0, time);
    claim_set(room, device, 0, player);
}

void np_players_arrive(np_player_room *room, uint32_t device, uint32_t gone, nplug_time time)
{
    if (gone != NP_NONE && np_players_miss(room, gone))
        take_place(room, device, gone);
    else if (room->players.rule == NPLUG_SEATS_ONE)
        give(room, device, 0, BIT(1), 0);
    else if (owners_of_set(room, device))
        give(room, device, 0, owners_of_set(room, device), 0);
    else if (owners_of_mice(room, device))
        set_hearers(room, device, np_parts_of_mice(&room->game->def), ALL,
                    owners_of_mice(room, device), 0);
    else
        take_seat(room, device, time);
}

void np_players_tell(np_player_room *room, const np_news *news, uint32_t was, uint32_t player,
                     nplug_time time)
{
    uint32_t hearers = np_players_hearers(room, news);

    if ((was & ~hearers) & BIT(player)) {
        np_players_event(room, NPLUG_EVENT_UNCLAIM, news->device, player, time, 0)->part =
            (uint8_t)news->part;
        np_active_end(room, player, time);
    }
    if ((hearers & ~was) & BIT(player)) {
        np_players_event(room, NPLUG_EVENT_CLAIM, news->device, player, time, news->flags)->part =
            (uint8_t)news->part;
        np_active_begin(room, player, news->device, time);
    }
}

void np_players_tell_waiting(np_player_room *room, uint32_t device, uint32_t player,
                             nplug_time time)
{
    if (!((np_players_of(&room->players, device) >> player) & 1u)) return;
    np_players_event(room, NPLUG_EVENT_WAIT, device, player, time, 0);
    np_active_end(room, player, time);
}

void np_players_depart(np_player_room *room, uint32_t device, nplug_time time)
{
    nplug_time waits = (nplug_time)room->game->def.seat_wait_ms * 1000;

    room->misses_otherwise = true;
    if (waits && np_players_of(&room->players, device))
        np_out_timer(room->out, time + waits, NP_TIMER_WAIT, 0, device, time);
}

void np_players_waited(np_player_room *room, uint32_t device)
{
    uint32_t waited = np_players_of(&room->players, device);

    stop_missing(room, device, waited >> 1);
    for (uint32_t p = 1; p <= room->players.limit; p++)
        if ((waited >> p) & 1u && np_players_waits(room, p) &&
            np_players_missed(room, p, 0) == NP_NONE && room->players.rule != NPLUG_SEATS_ONE)
            np_players_leave(room, p, NPLUG_EVENT_FLAG_LATE);
}

void np_players_forget(np_player_room *room, uint32_t device)
{
    np_players_waited(room, device);
    memset(&room->players.parts[device], 0, sizeof room->players.parts[device]);
}
