/* Who hears which part of which device, and who has a seat.
 *
 * Owns np_players and the row of news.  Comes in: news that is made.  Goes out: who hears a
 * control. */
#include "core/player/player.h"
#include <string.h>

#define BIT(player) (1u << ((player)-1))

void np_players_begin(np_player_room *room)
{
    const np_game *game = room->game;
    np_players *players = &room->players;

    players->rule = game->def.seats;
    players->limit = game->def.players;
    players->seated = players->rule == NPLUG_SEATS_ONE ? 1u << 1 : 0;
    players->join =
        players->rule == NPLUG_SEATS_BY_ACTION ? np_game_button(game, game->def.join) : NP_NO_INDEX;
    players->leave = np_game_button(game, game->def.leave);
}

void np_players_set_main(np_player_room *room, const nplug_command *command)
{
    if (command->number) room->players.main = (uint8_t)command->number;
    room->players.main_follows = command->on != 0;
}

void np_players_hear_hand(np_player_room *room, const np_change *change, np_edge edge)
{
    const np_control *control = &room->controls->list[change->control];
    nplug_device_kind kind = room->recogniser->of[control->device].kind;
    nplug_command command = {0};

    if (edge != NP_EDGE_PRESS || !room->players.main_follows || kind == room->players.main) return;
    if (!np_kind_is_hand(kind)) return;
    if (control->flags & (NP_CONTROL_SPENT | NP_CONTROL_ASIDE)) return;
    command.kind = NPLUG_COMMAND_DOMINANT;
    command.number = (uint32_t)kind;
    command.on = 1;
    np_out_command(room->out, &command, change->time);
}

void np_player_add(np_player_room *room, const np_news *news)
{
    if (room->news_count < room->news_limit) room->news[room->news_count++] = *news;
}

void np_player_forget_news(np_player_room *room, uint32_t first)
{
    room->news_count = first;
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

void np_players_divide(np_player_room *room, uint32_t device)
{
    nplug_device_kind kind = room->recogniser->of[device].kind;
    bool parted = kind == NPLUG_KIND_MOUSE || kind == NPLUG_KIND_KEYBOARD;

    room->players.parts[device].parts = parted ? (uint8_t)room->game->def.part_count : 0;
    if (kind == NPLUG_KIND_TOUCH)
        room->players.parts[device].parts = (uint8_t)np_zone_parts(&room->game->def);
}

uint8_t np_players_part_of(const np_player_room *room, uint32_t control)
{
    const nplug_game *game = &room->game->def;
    const np_control *about = &room->controls->list[control];

    if (room->recogniser->of[about->device].kind == NPLUG_KIND_MOUSE) return np_parts_of_mice(game);
    if (room->recogniser->of[about->device].kind == NPLUG_KIND_TOUCH) return about->part;
    return np_parts_of_key(game, about->id);
}

uint32_t np_players_device(const np_player_room *room, uint32_t player, uint32_t place)
{
    const np_devices *devices = room->devices;

    for (uint32_t i = 0; i < devices->count; i++) {
        uint32_t device = devices->order[i], of = np_players_of(&room->players, device);
        if (of == 0) of = !room->players.parts[device].ignored;
        if ((of >> player) & 1u && place-- == 0) return device;
    }
    return NP_NONE;
}

uint32_t np_players_devices(const np_player_room *room, uint32_t player)
{
    uint32_t count = 0;

    while (np_players_device(room, player, count) != NP_NONE)
        count++;
    return count;
}

bool np_players_waits(const np_player_room *room, uint32_t player)
{
    return ((room->players.seated >> player) & 1u) && np_players_device(room, player, 0) == NP_NONE;
}

bool np_players_miss(const np_player_room *room, uint32_t device)
{
    return room->devices->list[device].presence == NP_GONE &&
           np_players_of(&room->players, device) != 0;
}

uint64_t np_players_missing(const np_player_room *room, uint32_t device)
{
    const np_part *part = &room->players.parts[device];

    if (!np_players_miss(room, device)) return 0;
    return np_hash(NP_HASH_START, part->hearers, sizeof part->hearers) | 1u;
}

void np_players_told_missing(np_player_room *room)
{
    room->misses_otherwise = false;
}

uint32_t np_players_missed(const np_player_room *room, uint32_t player, uint32_t place)
{
    for (uint32_t i = 0; i < room->devices->limit; i++)
        if (np_players_miss(room, i) && (np_players_of(&room->players, i) >> player) & 1u &&
            place-- == 0)
            return i;
    return NP_NONE;
}

/* --- news --------------------------------------------------------------------------------------
 */

uint32_t np_players_hearers(const np_player_room *room, const np_news *news)
{
    return room->players.parts[news->device].hearers[news->part];
}

uint32_t np_players_hearers_after(const np_player_room *room, const np_news *news)
{
    return (np_players_hearers(room, news) & ~(uint32_t)news->leaving) | news->joining;
}

bool np_players_is_news(const np_player_room *room, const np_news *news)
{
    const np_part *part = &room->players.parts[news->device];

    switch (news->kind) {
    case NP_NEWS_HEARERS:
        return np_players_hearers_after(room, news) != np_players_hearers(room, news);
    case NP_NEWS_SUPPRESSED:
        return ((part->suppressed & BIT(news->player)) != 0) != news->on;
    case NP_NEWS_IGNORED:
        return part->ignored != news->on;
    default:
        return true;
    }
}

void np_players_make(np_player_room *room, const np_news *news)
{
    np_part *part = &room->players.parts[news->device];

    if (news->kind == NP_NEWS_HEARERS)
        part->hearers[news->part] = (uint16_t)np_players_hearers_after(room, news);
    else if (news->kind == NP_NEWS_SUPPRESSED)
        part->suppressed ^= (uint16_t)BIT(news->player);
    else if (news->kind == NP_NEWS_IGNORED)
        part->ignored = news->on;
    else if (news->kind == NP_NEWS_LEFT)
        room->players.seated &= ~(1u << news->player);
}

nplug_event *np_players_event(np_player_room *room, nplug_event_kind kind, uint32_t device,
                              uint32_t player, nplug_time time, uint16_t flags)
{
    nplug_device handle = device == NP_NONE ? 0 : np_devices_handle(room->devices, device);
    nplug_event *event = np_out_event(room->out, time, kind, handle, player);

    event->flags = flags;
    return event;
}

void np_players_tell_leave(np_player_room *room, const np_news *news, nplug_time time)
{
    np_players_event(room, NPLUG_EVENT_LEAVE, NP_NONE, news->player, time, news->flags);
}

void np_players_tell_swap(np_player_room *room, const nplug_command *command, nplug_time time)
{
    np_players_event(room, NPLUG_EVENT_SWAP, NP_NONE, command->player, time, 0)->other_player =
        command->number;
}
