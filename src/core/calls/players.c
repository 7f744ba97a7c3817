/* What the game may ask about players, and whom it wants followed.
 *
 * Owns nothing.  Comes in: a player.  Goes out: seats, devices, who waits, what was used last; a
 * command. */
#include "core/calls/calls.h"
#include <string.h>

bool nplug_player_seated(const nplug_nest *nest, nplug_player player)
{
    if (!nest || player == 0 || player > nest->limits.players) return false;
    return (nest->player.players.seated >> player) & 1u;
}

bool nplug_player_waits(const nplug_nest *nest, nplug_player player)
{
    return nplug_player_seated(nest, player) && np_players_waits(&nest->player, player);
}

uint32_t nplug_player_device_count(const nplug_nest *nest, nplug_player player)
{
    if (!nest || player > nest->limits.players) return 0;
    return np_players_devices(&nest->player, player);
}

nplug_device nplug_player_device_at(const nplug_nest *nest, nplug_player player, uint32_t index)
{
    uint32_t device;

    if (!nest || player > nest->limits.players) return 0;
    device = np_players_device(&nest->player, player, index);
    return device == NP_NONE ? 0 : np_devices_handle(&nest->device.devices, device);
}

nplug_device nplug_missed_at(const nplug_nest *nest, nplug_player player, uint32_t index)
{
    uint32_t device = NP_NONE;

    if (nest && player && player <= nest->limits.players)
        device = np_players_missed(&nest->player, player, index);
    return device == NP_NONE ? 0 : np_devices_handle(&nest->device.devices, device);
}

uint32_t nplug_missed_count(const nplug_nest *nest, nplug_player player)
{
    uint32_t count = 0;

    while (nplug_missed_at(nest, player, count))
        count++;
    return count;
}

uint32_t nplug_part_players(const nplug_nest *nest, nplug_device device, uint32_t part)
{
    uint32_t index = nest ? np_devices_index(&nest->device.devices, device) : NP_NONE;

    if (index == NP_NONE || part > NPLUG_PARTS_MAX) return 0;
    if (part == 0) return np_players_of(&nest->player.players, index) >> 1;
    return nest->player.players.parts[index].hearers[part];
}

uint32_t nplug_control_part(const nplug_nest *nest, nplug_control control)
{
    const nplug_game *game = nest ? &nest->game.game.def : NULL;

    if (!game || !control) return 0;
    if (NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_MOUSE) return np_parts_of_mice(game);
    return np_parts_of_key(game, control);
}

uint32_t nplug_dominant(const nplug_nest *nest)
{
    return nest ? nest->player.players.main : NPLUG_KIND_HAND_RIGHT;
}

/* --- the active set ----------------------------------------------------------------------------
 */

#define FOLLOWING_FIRST NP_FIRST(nplug_following, reserved)

nplug_result nplug_follow(nplug_nest *nest, nplug_player player, const nplug_following *wish)
{
    nplug_following following = nplug_following_default();
    nplug_command command = {0};
    const char *family;

    if (!nest || !wish || player > nest->player.players.limit) return NPLUG_ERR_ARGUMENT;
    if (!np_size_take(&following, sizeof following, wish, FOLLOWING_FIRST)) return NPLUG_ERR_SIZE;
    family = following.family ? following.family : "";
    if (strlen(family) >= NP_FAMILY_SIZE) return NPLUG_ERR_ARGUMENT;
    if (following.pin && np_devices_check(&nest->device.devices, following.pin) != NPLUG_OK)
        return np_devices_check(&nest->device.devices, following.pin);
    command.kind = NPLUG_COMMAND_FOLLOW;
    command.player = player;
    command.device = following.pin;
    command.number = following.ignored;
    command.strong = following.dwell_ms;
    command.on = following.only;
    return np_post_text(nest, family, &command);
}

nplug_result nplug_following_info(const nplug_nest *nest, nplug_player player,
                                  nplug_following *following)
{
    nplug_following now = nplug_following_default();
    const np_active *active;

    if (!nest || !following || player > nest->limits.players) return NPLUG_ERR_ARGUMENT;
    active = &nest->player.active.of[player];
    now.ignored = active->ignored;
    now.pin = active->pin;
    now.family = active->family[0] ? active->family : NULL;
    now.only = active->only;
    now.dwell_ms = active->dwell;
    return np_size_give(following, FOLLOWING_FIRST, &now, sizeof now);
}

nplug_result nplug_active_info(const nplug_nest *nest, nplug_player player, nplug_active_set *out)
{
    nplug_active_set set = {0};
    const np_active *active;
    uint32_t device;

    if (!nest || !out || player > nest->limits.players) return NPLUG_ERR_ARGUMENT;
    set.family = set.sheet = "";
    active = &nest->player.active.of[player];
    device = np_devices_index(&nest->device.devices, active->device);
    if (device != NP_NONE) {
        set.device = active->device;
        set.kind = nest->device.recogniser.of[device].kind;
        set.family = np_active_family(&nest->player, device);
        if (nest->device.recogniser.of[device].sheet)
            set.sheet = nest->device.recogniser.of[device].sheet->name;
        set.present = np_devices_here(&nest->device.devices, active->device) != NP_NONE;
        set.since = active->since;
    }
    if (active->family[0]) set.family = active->family;
    set.pinned = active->family[0] || (active->pin && active->pin == active->device);
    return np_size_give(out, NP_FIRST(nplug_active_set, reserved), &set, sizeof set);
}
