#include "players.h"
#include "nest.h"

void np_players_layout(np_players *players, np_carve *carve, const nplug_limits *limits)
{
    players->parts = (np_part *)np_carve_take(carve, limits->devices, sizeof(np_part));
    players->missing = (np_missing *)np_carve_take(carve, limits->devices, sizeof(np_missing));
    players->missing_limit = limits->devices;
    players->rule = NPLUG_SEATS_BY_CALL;
    players->limit = limits->players;
}

void np_players_begin(np_players *players, const np_game *game)
{
    players->rule = game->def.seats;
    players->limit = game->def.players;
    players->seated = players->rule == NPLUG_SEATS_ONE ? 1u << 1 : 0;
}

/* --- parts ---------------------------------------------------------------------------------- */

static void say(nplug_nest *nest, nplug_event_kind kind, uint32_t device, uint32_t player,
                nplug_time time, uint16_t flags)
{
    nplug_device handle = device == NP_NONE ? 0 : np_devices_handle(&nest->devices, device);

    np_events_say(&nest->events, time, kind, handle, player)->flags = flags;
}

/* Another set of players hears a device from now on.  What it held is let go of first. */
static void set_hearers(nplug_nest *nest, uint32_t device, uint32_t hearers, nplug_time time,
                        uint16_t flags)
{
    np_part *part = &nest->players.parts[device];
    uint32_t was = part->hearers;

    if (was == hearers) return;
    np_sources_let_go(nest, device, time);
    np_values_mark_device(nest, device);
    part->hearers = hearers;
    np_values_mark_device(nest, device);
    np_guards_empty(nest, device);
    for (uint32_t p = 1; p <= nest->limits.players; p++) {
        uint32_t bit = 1u << p;
        if ((was & bit) && !(hearers & bit)) say(nest, NPLUG_EVENT_YIELD, device, p, time, 0);
        if (!(was & bit) && (hearers & bit)) say(nest, NPLUG_EVENT_CLAIM, device, p, time, flags);
    }
}

static bool on_desk(const nplug_nest *nest, uint32_t device)
{
    nplug_kind kind = nest->recogniser.of[device].kind;
    return kind == NPLUG_KIND_KEYBOARD || kind == NPLUG_KIND_MOUSE;
}

/* Claims a device's whole set: with a keyboard or a mouse, all that are still unclaimed. */
static void claim_set(nplug_nest *nest, uint32_t device, uint32_t player, nplug_time time)
{
    set_hearers(nest, device, 1u << player, time, 0);
    if (!on_desk(nest, device)) return;
    for (uint32_t i = 0; i < nest->devices.count; i++) {
        uint32_t other = nest->devices.order[i];
        if (on_desk(nest, other) && nest->players.parts[other].hearers == 0)
            set_hearers(nest, other, 1u << player, time, 0);
    }
}

/* --- seats ---------------------------------------------------------------------------------- */

static void seat(nplug_nest *nest, uint32_t player, uint32_t device, nplug_control control,
                 nplug_time time)
{
    nplug_device handle = np_devices_handle(&nest->devices, device);

    if (nest->players.seated & (1u << player)) return;
    nest->players.seated |= 1u << player;
    np_events_say(&nest->events, time, NPLUG_EVENT_JOIN, handle, player)->control = control;
}

static uint32_t free_seat(const np_players *players)
{
    for (uint32_t p = 1; p <= players->limit; p++)
        if (!(players->seated & (1u << p))) return p;
    return 0;
}

void np_players_hear(nplug_nest *nest, const np_change *change, np_edge edge)
{
    uint32_t device = nest->controls.list[change->control].device;
    nplug_command join = {0};

    if (edge != NP_EDGE_PRESS || nest->players.rule != NPLUG_SEATS_FIRST_USE) return;
    if (nest->controls.list[change->control].flags & NP_CONTROL_SPENT) return;
    if (nest->players.parts[device].hearers || nest->players.parts[device].ignored) return;
    if (!free_seat(&nest->players)) return;
    np_controls_spend(&nest->controls, change->control);
    join.kind = NPLUG_COMMAND_JOIN;
    join.device = change->device;
    join.control = change->id;
    np_outbox_put(nest, &join, change->time);
}

/* --- commands ------------------------------------------------------------------------------- */

void np_players_join(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_index(&nest->devices, command->device);
    uint32_t player = free_seat(&nest->players);

    if (device == NP_NONE || player == 0 || nest->players.parts[device].hearers) return;
    seat(nest, player, device, command->control, time);
    claim_set(nest, device, player, time);
}

void np_players_claim(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_index(&nest->devices, command->device);

    if (device == NP_NONE || nest->devices.list[device].presence != NP_HERE) return;
    seat(nest, command->player, device, command->control, time);
    claim_set(nest, device, command->player, time);
}

void np_players_yield(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_index(&nest->devices, command->device);

    if (device == NP_NONE || nest->devices.list[device].presence != NP_HERE) return;
    set_hearers(nest, device, 0, time, 0);
}

/* From now on nobody hears it; or it is as if it had just come. */
void np_players_ignore(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_index(&nest->devices, command->device);

    if (device == NP_NONE || nest->devices.list[device].presence != NP_HERE) return;
    if (nest->players.parts[device].ignored == (command->on != 0)) return;
    set_hearers(nest, device, 0, time, 0);
    np_sources_let_go(nest, device, time);
    np_values_mark_device(nest, device);
    nest->players.parts[device].ignored = command->on != 0;
    np_guards_empty(nest, device);
    if (!command->on) np_players_arrive(nest, device);
}

void np_players_leave(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t bit = 1u << command->player;

    if (!(nest->players.seated & bit)) return;
    for (uint32_t i = 0; i < nest->devices.count; i++) {
        uint32_t device = nest->devices.order[i];
        set_hearers(nest, device, nest->players.parts[device].hearers & ~bit, time, 0);
    }
    for (uint32_t i = 0; i < nest->players.missing_limit; i++)
        nest->players.missing[i].hearers &= ~bit;
    nest->players.seated &= ~bit;
    say(nest, NPLUG_EVENT_LEAVE, NP_NONE, command->player, time, 0);
}

/* --- coming and going ----------------------------------------------------------------------- */

/* Who missed this hardware, and then misses it no more; 0 for nobody. */
static uint32_t take_missing(np_players *players, uint64_t identity)
{
    for (uint32_t i = 0; identity && i < players->missing_limit; i++) {
        np_missing *missing = &players->missing[i];
        if (missing->identity != identity) continue;
        missing->identity = 0;
        return missing->hearers;
    }
    return 0;
}

static uint32_t desk_of(const nplug_nest *nest)
{
    for (uint32_t i = 0; i < nest->devices.count; i++) {
        uint32_t device = nest->devices.order[i];
        if (on_desk(nest, device) && nest->players.parts[device].hearers)
            return nest->players.parts[device].hearers;
    }
    return 0;
}

void np_players_arrive(nplug_nest *nest, uint32_t device)
{
    uint32_t back = take_missing(&nest->players, nest->devices.list[device].identity);
    nplug_time time = nest->feed.processed;

    nest->players.parts[device].hearers = 0;
    nest->players.parts[device].ignored = false;
    if (nest->players.rule == NPLUG_SEATS_ONE)
        set_hearers(nest, device, 1u << 1, time, back ? NPLUG_EVENT_RETURNED : 0);
    else if (back)
        set_hearers(nest, device, back, time, NPLUG_EVENT_RETURNED);
    else if (on_desk(nest, device) && desk_of(nest))
        set_hearers(nest, device, desk_of(nest), time, 0);
}

void np_players_depart(nplug_nest *nest, uint32_t device)
{
    uint64_t identity = nest->devices.list[device].identity;
    np_missing *missing = &nest->players.missing[nest->players.missing_next];

    if (identity && nest->players.parts[device].hearers) {
        missing->identity = identity;
        missing->hearers = nest->players.parts[device].hearers;
        nest->players.missing_next = (nest->players.missing_next + 1) % nest->players.missing_limit;
    }
    nest->players.parts[device].hearers = 0;
}

/* --- queries -------------------------------------------------------------------------------- */

bool nplug_seated(const nplug_nest *nest, nplug_player player)
{
    if (!nest || player == 0 || player > nest->limits.players) return false;
    return (nest->players.seated >> player) & 1u;
}

uint32_t nplug_player_devices(const nplug_nest *nest, nplug_player player)
{
    uint32_t count = 0;

    if (!nest || player > nest->limits.players) return 0;
    for (uint32_t i = 0; i < nest->devices.count; i++)
        if (np_players_hearing(&nest->players, nest->devices.order[i]) & (1u << player)) count++;
    return count;
}
