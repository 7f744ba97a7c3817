#include "players.h"
#include "nest.h"
#include "parts.h"
#include <string.h>

#define BIT(player) (1u << ((player)-1))

void np_players_layout(np_players *players, np_carve *carve, const nplug_limits *limits)
{
    players->parts = (np_part *)np_carve_take(carve, limits->devices, sizeof(np_part));
    players->rule = NPLUG_SEATS_BY_CALL;
    players->limit = limits->players;
    players->join = players->leave = NP_NO_INDEX;
}

/* --- what the game says ---------------------------------------------------------------------- */

static uint32_t button_of(const np_game *game, const char *name)
{
    for (uint32_t i = 0; name && i < game->def.action_count; i++) {
        const nplug_action_def *action = np_game_action(game, i);
        if (action->kind == NPLUG_BUTTON && strcmp(action->name, name) == 0) return i;
    }
    return NP_NO_INDEX;
}

bool np_players_check(const nplug_nest *nest)
{
    const nplug_game *game = &nest->game.def;
    const char *wrong = NULL;

    if (game->seats == NPLUG_SEATS_BY_ACTION && button_of(&nest->game, game->join) == NP_NO_INDEX)
        wrong = "the game is wrong: `join` must name a button among its actions";
    if (game->leave && button_of(&nest->game, game->leave) == NP_NO_INDEX)
        wrong = "the game is wrong: `leave` must name a button among its actions";
    if (!wrong) wrong = np_parts_wrong(game);
    if (wrong) np_log_line(nest, wrong);
    return !wrong;
}

void np_players_begin(nplug_nest *nest)
{
    const nplug_game *game = &nest->game.def;
    np_players *players = &nest->players;

    players->rule = game->seats;
    players->limit = game->players;
    players->seated = players->rule == NPLUG_SEATS_ONE ? 1u << 1 : 0;
    players->join =
        players->rule == NPLUG_SEATS_BY_ACTION ? button_of(&nest->game, game->join) : NP_NO_INDEX;
    players->leave = button_of(&nest->game, game->leave);
}

/* --- parts ---------------------------------------------------------------------------------- */

uint32_t np_players_of(const np_players *players, uint32_t device)
{
    const np_part *part = &players->parts[device];
    uint32_t all = part->hearers[0];

    for (uint32_t i = 1; i <= part->parts; i++)
        all |= part->hearers[i];
    return all << 1;
}

void np_players_divide(nplug_nest *nest, uint32_t device)
{
    const nplug_game *game = &nest->game.def;
    bool mouse = nest->recogniser.of[device].kind == NPLUG_KIND_MOUSE;
    bool parted = mouse || nest->recogniser.of[device].kind == NPLUG_KIND_KEYBOARD;
    np_run run = nest->controls.of_device[device];

    nest->players.parts[device].parts = parted ? (uint8_t)game->part_count : 0;
    for (uint32_t i = run.first; parted && i < (uint32_t)run.first + run.count; i++)
        np_controls_deal(&nest->controls, i,
                         mouse ? np_parts_of_mice(game)
                               : np_parts_of_key(game, nest->controls.list[i].id));
}

static nplug_event *say(nplug_nest *nest, nplug_event_kind kind, uint32_t device, uint32_t player,
                        nplug_time time, uint16_t flags)
{
    nplug_device handle = device == NP_NONE ? 0 : np_devices_handle(&nest->devices, device);
    nplug_event *event = np_events_say(&nest->events, time, kind, handle, player);

    event->flags = flags;
    return event;
}

void np_players_light(nplug_nest *nest, uint32_t device)
{
    uint32_t hearers = np_players_of(&nest->players, device), node;
    nplug_command lights = {0};

    node = nest->devices.list[device].first_node;
    if (node == NP_NONE || nest->players.limit < 2) return;
    lights.kind = NPLUG_COMMAND_LIGHTS;
    while (hearers > 1 && !((hearers >> lights.player) & 1u))
        lights.player++;
    np_feed_effect(&nest->feed, nest->devices.nodes[node].key, &lights);
}

static void say_hearers(nplug_nest *nest, uint32_t device, uint32_t part, uint32_t was,
                        nplug_time time, uint16_t flags)
{
    uint32_t hearers = nest->players.parts[device].hearers[part];

    for (uint32_t p = 1; p <= nest->limits.players; p++) {
        if ((was & ~hearers) & BIT(p)) {
            say(nest, NPLUG_EVENT_YIELD, device, p, time, 0)->count = part;
            np_active_end(nest, p, time);
        }
        if ((hearers & ~was) & BIT(p)) {
            say(nest, NPLUG_EVENT_CLAIM, device, p, time, flags)->count = part;
            np_active_begin(nest, p, device, time);
        }
    }
}

/* Another set of players hears a part from now on.  Where nobody stays of those who heard the part,
 * what it held is let go of first, for all. */
static void set_hearers(nplug_nest *nest, uint32_t device, uint32_t part, uint32_t hearers,
                        nplug_time time, uint16_t flags)
{
    np_part *about = &nest->players.parts[device];
    uint32_t was = about->hearers[part];

    if (was == hearers) return;
    np_values_settle(nest, time);
    if (was & hearers)
        np_sources_hand_over(nest, device, part, (was & ~hearers) << 1, (hearers & ~was) << 1,
                             time);
    else
        np_sources_let_go(nest, device, part, time);
    np_values_mark_device(nest, device);
    about->hearers[part] = (uint16_t)hearers;
    np_sources_sort(nest, device);
    np_values_mark_device(nest, device);
    np_guards_empty(nest, device);
    say_hearers(nest, device, part, was, time, flags);
    np_players_light(nest, device);
}

/* The same for a part, or for all that a device has where it is 0. */
static void set_all(nplug_nest *nest, uint32_t device, uint32_t part, uint32_t hearers,
                    nplug_time time, uint16_t flags)
{
    uint32_t parts = nest->players.parts[device].parts;

    for (uint32_t i = parts ? 1 : 0; i <= parts; i++)
        if (part == 0 || part == i) set_hearers(nest, device, i, hearers, time, flags);
}

void np_players_quieten(nplug_nest *nest, uint32_t device, uint32_t player, bool quiet,
                        nplug_time time)
{
    np_part *part = &nest->players.parts[device];

    if (((part->quiet & BIT(player)) != 0) == quiet) return;
    np_values_settle(nest, time);
    np_sources_let_go(nest, device, NP_ALL_PARTS, time);
    np_values_mark_device(nest, device);
    part->quiet ^= (uint16_t)BIT(player);
    np_values_mark_device(nest, device);
    np_guards_empty(nest, device);
}

/* --- sets ----------------------------------------------------------------------------------- */

/* Of a stick and what goes with it, the stick; of a wheel and its pedals, the wheel. */
static bool leads(const nplug_nest *nest, uint32_t device)
{
    return np_controls_find(&nest->controls, device,
                            NPLUG_CONTROL(NPLUG_CLASS_STICK, NPLUG_STICK_AILERON)) != NP_NONE ||
           np_controls_find(&nest->controls, device,
                            NPLUG_CONTROL(NPLUG_CLASS_WHEEL, NPLUG_WHEEL_STEERING)) != NP_NONE;
}

/* Whether a person uses both together.  A keyboard that is shared is no part of a desk. */
static bool go_together(const nplug_nest *nest, uint32_t a, uint32_t b)
{
    if (nest->players.parts[a].parts || nest->players.parts[b].parts) return false;
    if (!np_active_same_set(nest, a, b)) return false;
    return nest->recogniser.of[a].kind != nest->recogniser.of[b].kind || !leads(nest, a) ||
           !leads(nest, b);
}

static bool is_kind(const nplug_nest *nest, uint32_t device, nplug_kind kind)
{
    return nest->recogniser.of[device].kind == kind;
}

/* Whether a device is one of this kind of which nobody else than who loses it has a part. */
static bool may_have(const nplug_nest *nest, uint32_t device, nplug_kind kind, uint32_t part,
                     uint32_t losers)
{
    const np_part *about = &nest->players.parts[device];

    return is_kind(nest, device, kind) && about->parts && !about->ignored &&
           !(about->hearers[part] & ~losers);
}

/* Whoever has the part of a shared keyboard that mice belong to has mice, too; and who clicks one,
 * that part of one keyboard. */
static void claim_mice(nplug_nest *nest, uint32_t device, uint32_t losers, uint32_t player,
                       nplug_time time)
{
    uint32_t part = np_parts_of_mice(&nest->game.def);
    bool needs_keys = is_kind(nest, device, NPLUG_KIND_MOUSE);

    for (uint32_t i = 0; i < nest->devices.count; i++) {
        uint32_t other = nest->devices.order[i];
        bool mouse = may_have(nest, other, NPLUG_KIND_MOUSE, part, losers);
        bool keys = needs_keys && may_have(nest, other, NPLUG_KIND_KEYBOARD, part, losers);
        if (mouse || keys) set_hearers(nest, other, part, BIT(player), time, 0);
        needs_keys &= !keys;
    }
}

/* Claims a device or a part of it, and all of its set that nobody has but who loses it. */
static void claim_set(nplug_nest *nest, uint32_t device, uint32_t part, uint32_t player,
                      nplug_time time)
{
    uint32_t losers = np_players_of(&nest->players, device), mice;

    mice = nest->players.parts[device].parts ? np_parts_of_mice(&nest->game.def) : 0;
    set_all(nest, device, part, BIT(player), time, 0);
    for (uint32_t i = 0; i < nest->devices.count; i++) {
        uint32_t other = nest->devices.order[i];
        if (other != device && !(np_players_of(&nest->players, other) & ~losers) &&
            !nest->players.parts[other].ignored && go_together(nest, device, other))
            set_all(nest, other, 0, BIT(player), time, 0);
    }
    if (mice && (part == 0 || part == mice)) claim_mice(nest, device, losers >> 1, player, time);
}

/* --- seats ---------------------------------------------------------------------------------- */

static void seat(nplug_nest *nest, uint32_t player, uint32_t device, nplug_control control,
                 nplug_time time)
{
    if (nest->players.seated & (1u << player)) return;
    nest->players.seated |= 1u << player;
    say(nest, NPLUG_EVENT_JOIN, device, player, time, 0)->control = control;
}

static bool may_sit(const nplug_nest *nest, uint32_t device)
{
    uint32_t kinds = nest->game.def.seat_kinds;
    return kinds == 0 || ((kinds >> nest->recogniser.of[device].kind) & 1u);
}

/* The lowest seat that is free for a device; 0 where it may have none. */
static uint32_t free_seat(const nplug_nest *nest, uint32_t device)
{
    if (!may_sit(nest, device)) return 0;
    for (uint32_t p = 1; p <= nest->players.limit; p++)
        if (!(nest->players.seated & (1u << p))) return p;
    return 0;
}

bool nplug_waits(const nplug_nest *nest, nplug_player player)
{
    return nplug_seated(nest, player) && nplug_player_devices(nest, player) == 0;
}

/* The players with nothing left among those who miss a device. */
static uint32_t waiting_for(const nplug_nest *nest, uint32_t device)
{
    uint32_t hearers = np_players_of(&nest->players, device) >> 1;

    for (uint32_t p = 1; p <= nest->players.limit; p++)
        if ((hearers & BIT(p)) && !nplug_waits(nest, p)) hearers &= ~BIT(p);
    return hearers;
}

/* For which missed device one that was pressed stands in: one of its sort before others, and then
 * the one that has been gone longest. */
static uint32_t to_take_over(const nplug_nest *nest, uint32_t device)
{
    const np_device *list = nest->devices.list;
    uint32_t best = NP_NONE;

    if (nest->players.rule == NPLUG_SEATS_BY_CALL || !may_sit(nest, device)) return NP_NONE;
    for (uint32_t i = 0; i < nest->devices.limit; i++) {
        bool alike = list[i].who.sort == list[device].who.sort, better;
        if (list[i].presence != NP_GONE || !list[i].missed || !waiting_for(nest, i)) continue;
        better = best == NP_NONE || (alike == (list[best].who.sort == list[device].who.sort)
                                         ? list[i].gone_order < list[best].gone_order
                                         : alike);
        if (better) best = i;
    }
    return best;
}

static void ask_to_join(nplug_nest *nest, const np_change *change)
{
    nplug_command join = {0};

    join.kind = NPLUG_COMMAND_JOIN;
    join.device = change->device;
    join.control = change->id;
    np_outbox_put(nest, &join, change->time);
}

static void say_full(nplug_nest *nest, uint32_t device, nplug_control control, nplug_time time)
{
    if (may_sit(nest, device)) say(nest, NPLUG_EVENT_FULL, device, 0, time, 0)->control = control;
}

void np_players_hear(nplug_nest *nest, const np_change *change, np_edge edge)
{
    const np_control *control = &nest->controls.list[change->control];

    if (edge != NP_EDGE_PRESS || control->flags & (NP_CONTROL_SPENT | NP_CONTROL_ASIDE)) return;
    if (np_players_hearing(&nest->players, control) != 1) return;
    if (to_take_over(nest, control->device) == NP_NONE) {
        if (nest->players.rule != NPLUG_SEATS_FIRST_USE) return;
        if (!free_seat(nest, control->device)) {
            say_full(nest, control->device, change->id, change->time);
            return;
        }
    }
    np_controls_spend(&nest->controls, change->control, false);
    ask_to_join(nest, change);
}

void np_players_act(nplug_nest *nest, uint32_t player, uint32_t action, const np_change *change)
{
    nplug_command leave = {0};

    if (player == 0 && action == nest->players.join) ask_to_join(nest, change);
    if (player == 0 || action != nest->players.leave) return;
    leave.kind = NPLUG_COMMAND_LEAVE;
    leave.player = player;
    np_outbox_put(nest, &leave, change->time);
}

/* --- commands ------------------------------------------------------------------------------- */

static void stop_missing(nplug_nest *nest, uint32_t device, uint32_t players)
{
    np_part *part = &nest->players.parts[device];

    for (uint32_t i = 0; i <= NPLUG_PARTS_MAX; i++)
        part->hearers[i] &= (uint16_t)~players;
    if (np_players_of(&nest->players, device)) return;
    np_devices_miss(&nest->devices, device, false);
    np_timers_cancel(&nest->timers, NP_TIMER_WAIT, 0, device);
}

/* A device is now what one was that went, and came back: those who heard it do so again. */
static void take_place(nplug_nest *nest, uint32_t device, uint32_t gone, nplug_time time)
{
    np_part was = nest->players.parts[gone];
    uint32_t parts = nest->players.parts[device].parts;
    uint32_t players = np_players_of(&nest->players, gone) >> 1;

    stop_missing(nest, gone, players);
    if (parts != was.parts) {
        set_all(nest, device, 0, players, time, NPLUG_EVENT_RETURNED);
        return;
    }
    for (uint32_t i = 0; i <= parts; i++)
        set_hearers(nest, device, i, nest->players.parts[device].hearers[i] | was.hearers[i], time,
                    NPLUG_EVENT_RETURNED);
}

/* Who waits for one part of a device that went: of the same one, where somebody does, else of the
 * first one.  Those who heard the same part have one device again. */
static uint32_t waiting_for_part(const nplug_nest *nest, uint32_t gone, uint32_t part)
{
    const uint16_t *hearers = nest->players.parts[gone].hearers;
    uint32_t waiting = waiting_for(nest, gone);

    if (!(hearers[part] & waiting))
        for (part = 0; part < NPLUG_PARTS_MAX && !(hearers[part] & waiting);)
            part++;
    return hearers[part] & waiting;
}

/* A press takes a part of a device for whoever waits longest; the other parts stay whose they are.
 */
static void take_over(nplug_nest *nest, uint32_t device, uint32_t part, uint32_t gone,
                      nplug_time time)
{
    uint32_t players = waiting_for_part(nest, gone, part);

    stop_missing(nest, gone, players);
    set_hearers(nest, device, part, players, time, NPLUG_EVENT_TAKEN_OVER);
}

/* Which part of a device a control is in. */
static uint32_t part_with(const nplug_nest *nest, uint32_t device, nplug_control control)
{
    uint32_t found = np_controls_find(&nest->controls, device, control);
    return found == NP_NONE ? 0 : nest->controls.list[found].part;
}

void np_players_join(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_here(&nest->devices, command->device), part, gone, player;

    if (device == NP_NONE) return;
    part = part_with(nest, device, command->control);
    if (nest->players.parts[device].hearers[part]) return;
    gone = to_take_over(nest, device);
    player = free_seat(nest, device);
    if (gone != NP_NONE) {
        take_over(nest, device, part, gone, time);
    } else if (player) {
        seat(nest, player, device, command->control, time);
        claim_set(nest, device, part, player, time);
    } else {
        say_full(nest, device, command->control, time);
    }
}

void np_players_claim(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_here(&nest->devices, command->device);
    const np_part *about;

    if (device == NP_NONE || command->number > nest->players.parts[device].parts) return;
    about = &nest->players.parts[device];
    seat(nest, command->player, device, command->control, time);
    if (!command->on) {
        claim_set(nest, device, command->number, command->player, time);
        return;
    }
    for (uint32_t i = about->parts ? 1 : 0; i <= about->parts; i++)
        set_hearers(nest, device, i, about->hearers[i] | BIT(command->player), time, 0);
}

/* Some players hear no part of a device any more. */
static void yield(nplug_nest *nest, uint32_t device, uint32_t players, nplug_time time)
{
    for (uint32_t i = 0; i <= NPLUG_PARTS_MAX; i++)
        set_hearers(nest, device, i, nest->players.parts[device].hearers[i] & ~players, time, 0);
}

void np_players_yield(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_here(&nest->devices, command->device);

    if (device != NP_NONE) yield(nest, device, command->player ? BIT(command->player) : ~0u, time);
}

/* From now on nobody hears it; or it is as if it had just come. */
void np_players_ignore(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_here(&nest->devices, command->device);

    if (device == NP_NONE || nest->players.parts[device].ignored == (command->on != 0)) return;
    yield(nest, device, ~0u, time);
    np_values_settle(nest, time);
    np_sources_let_go(nest, device, NP_ALL_PARTS, time);
    np_values_mark_device(nest, device);
    nest->players.parts[device].ignored = command->on != 0;
    np_guards_empty(nest, device);
    if (command->on) return;
    np_players_arrive(nest, device,
                      np_returns_as(&nest->devices, &nest->devices.list[device].who, device));
}

void np_players_leave(nplug_nest *nest, uint32_t player, nplug_time time, uint16_t flags)
{
    if (!(nest->players.seated & (1u << player))) return;
    for (uint32_t i = 0; i < nest->devices.count; i++)
        yield(nest, nest->devices.order[i], BIT(player), time);
    for (uint32_t i = 0; i < nest->devices.limit; i++)
        if (nest->devices.list[i].presence == NP_GONE) stop_missing(nest, i, BIT(player));
    for (uint32_t a = 0; a < nest->game.def.action_count; a++)
        np_values_drop(nest, player, a);
    nest->players.seated &= ~(1u << player);
    say(nest, NPLUG_EVENT_LEAVE, NP_NONE, player, time, flags);
}

/* Two players' bits, the other way round. */
static uint32_t swapped(uint32_t bits, uint32_t a, uint32_t b)
{
    bool differ = ((bits >> a) ^ (bits >> b)) & 1u;
    return differ ? bits ^ (1u << a | 1u << b) : bits;
}

/* Two who both hear a part, and bind it otherwise, begin anew there; whoever else hears it goes on.
 */
static void begin_anew(nplug_nest *nest, uint32_t device, uint32_t part, uint32_t players,
                       nplug_time time)
{
    np_values_settle(nest, time);
    np_sources_hand_over(nest, device, part, players, players, time);
}

void np_players_swap(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t a = command->player, b = command->number, both = 1u << a | 1u << b;

    nest->players.seated = swapped(nest->players.seated, a, b);
    for (uint32_t d = 0; d < nest->devices.limit; d++)
        for (uint32_t i = 0; i <= NPLUG_PARTS_MAX; i++) {
            uint16_t *hearers = &nest->players.parts[d].hearers[i];
            uint32_t after = swapped((uint32_t)*hearers << 1, a, b) >> 1;
            if (nest->devices.list[d].presence != NP_HERE)
                *hearers = (uint16_t)after;
            else if (after != *hearers)
                set_hearers(nest, d, i, after, time, 0);
            else if (((uint32_t)*hearers << 1) & both)
                begin_anew(nest, d, i, both, time);
        }
    np_rebind_swap(nest, a, b, time);
    say(nest, NPLUG_EVENT_SWAP, NP_NONE, a, time, 0)->count = b;
}

/* --- coming and going ----------------------------------------------------------------------- */

/* The players who have what a device goes together with. */
static uint32_t owners_of_set(const nplug_nest *nest, uint32_t device)
{
    for (uint32_t i = 0; i < nest->devices.count; i++) {
        uint32_t other = nest->devices.order[i], hearers = np_players_of(&nest->players, other);
        if (other != device && hearers && go_together(nest, device, other)) return hearers >> 1;
    }
    return 0;
}

/* Those who have the part that mice belong to, of the first other device of a kind that anyone has
 * it of; where one of these kinds is shared. */
static uint32_t owners_of_part(const nplug_nest *nest, uint32_t device, nplug_kind kind)
{
    uint32_t part = np_parts_of_mice(&nest->game.def);

    for (uint32_t i = 0; part && i < nest->devices.count; i++) {
        uint32_t other = nest->devices.order[i];
        if (other == device || !is_kind(nest, other, kind)) continue;
        if (nest->players.parts[other].hearers[part])
            return nest->players.parts[other].hearers[part];
    }
    return 0;
}

/* A mouse comes to whom the part is that mice belong to; a keyboard to who has a mouse, and that
 * part of no other keyboard. */
static uint32_t owners_of_mice(const nplug_nest *nest, uint32_t device)
{
    if (!nest->players.parts[device].parts) return 0;
    if (is_kind(nest, device, NPLUG_KIND_MOUSE))
        return owners_of_part(nest, device, NPLUG_KIND_KEYBOARD);
    if (owners_of_part(nest, device, NPLUG_KIND_KEYBOARD)) return 0;
    return owners_of_part(nest, device, NPLUG_KIND_MOUSE);
}

/* The seat that a device takes by coming; a mouse beside shared keyboards takes none. */
static uint32_t seat_by_arrival(const nplug_nest *nest, uint32_t device)
{
    bool shared = nest->players.parts[device].parts && is_kind(nest, device, NPLUG_KIND_MOUSE);

    if (nest->players.rule != NPLUG_SEATS_BY_ARRIVAL || shared) return 0;
    return free_seat(nest, device);
}

static void take_seat(nplug_nest *nest, uint32_t device, nplug_time time)
{
    uint32_t player = seat_by_arrival(nest, device);

    if (!player) return;
    seat(nest, player, device, 0, time);
    claim_set(nest, device, 0, player, time);
}

void np_players_arrive(nplug_nest *nest, uint32_t device, uint32_t gone)
{
    nplug_time time = nest->feed.processed;
    bool missed = gone != NP_NONE && nest->devices.list[gone].missed;

    if (gone != NP_NONE) np_devices_forget(&nest->devices, gone);
    if (missed)
        take_place(nest, device, gone, time);
    else if (nest->players.rule == NPLUG_SEATS_ONE)
        set_all(nest, device, 0, BIT(1), time, 0);
    else if (owners_of_set(nest, device))
        set_all(nest, device, 0, owners_of_set(nest, device), time, 0);
    else if (owners_of_mice(nest, device))
        set_hearers(nest, device, np_parts_of_mice(&nest->game.def), owners_of_mice(nest, device),
                    time, 0);
    else
        take_seat(nest, device, time);
}

void np_players_depart(nplug_nest *nest, uint32_t device, nplug_time time)
{
    uint32_t hearers = np_players_of(&nest->players, device);
    nplug_time waits = (nplug_time)nest->game.def.waits_ms * 1000;

    np_devices_miss(&nest->devices, device, hearers != 0);
    for (uint32_t p = 1; p <= nest->players.limit; p++)
        if ((hearers >> p) & 1u) {
            say(nest, NPLUG_EVENT_WAIT, device, p, time, 0);
            np_active_end(nest, p, time);
        }
    if (hearers && waits && !np_timers_set(&nest->timers, time + waits, NP_TIMER_WAIT, 0, device))
        np_limit_reached(nest, NPLUG_LIMIT_TIMERS, time);
}

nplug_device nplug_missed_at(const nplug_nest *nest, nplug_player player, uint32_t place)
{
    for (uint32_t i = 0; nest && i < nest->devices.limit; i++)
        if (nest->devices.list[i].presence == NP_GONE && player &&
            (np_players_of(&nest->players, i) >> player) & 1u && place-- == 0)
            return np_devices_handle(&nest->devices, i);
    return 0;
}

void np_players_waited(nplug_nest *nest, uint32_t device, nplug_time time)
{
    uint32_t waited = np_players_of(&nest->players, device);

    stop_missing(nest, device, waited >> 1);
    for (uint32_t p = 1; p <= nest->players.limit; p++)
        if ((waited >> p) & 1u && nplug_waits(nest, p) && !nplug_missed_at(nest, p, 0) &&
            nest->players.rule != NPLUG_SEATS_ONE)
            np_players_leave(nest, p, time, NPLUG_EVENT_LATE);
}

void np_players_forget(nplug_nest *nest, uint32_t device, nplug_time time)
{
    np_players_waited(nest, device, time);
    memset(&nest->players.parts[device], 0, sizeof nest->players.parts[device]);
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
    for (uint32_t i = 0; i < nest->devices.count; i++) {
        uint32_t device = nest->devices.order[i], of = np_players_of(&nest->players, device);
        if (of == 0) of = !nest->players.parts[device].ignored;
        count += (of >> player) & 1u;
    }
    return count;
}

uint32_t nplug_part_players(const nplug_nest *nest, nplug_device device, uint32_t part)
{
    uint32_t index = nest ? np_devices_index(&nest->devices, device) : NP_NONE;

    if (index == NP_NONE || part > NPLUG_PARTS_MAX) return 0;
    if (part == 0) return np_players_of(&nest->players, index) >> 1;
    return nest->players.parts[index].hearers[part];
}
