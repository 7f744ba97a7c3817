/* Calls that change state.
 *
 * Owns nothing.  Comes in: a wish of the game.  Goes out: commands, posted for the next step. */
#include "core/calls/calls.h"
#include "nestplug/calibrate.h"
#include <string.h>

static bool needs_device(uint32_t kind)
{
    return kind == NPLUG_COMMAND_CLAIM || kind == NPLUG_COMMAND_UNCLAIM ||
           kind == NPLUG_COMMAND_RUMBLE || kind == NPLUG_COMMAND_LIGHTS ||
           kind == NPLUG_COMMAND_JOIN || kind == NPLUG_COMMAND_IGNORE ||
           kind == NPLUG_COMMAND_CALIBRATE || kind == NPLUG_COMMAND_ACTIVE ||
           kind == NPLUG_COMMAND_SURFACE;
}

/* Of the commands for a player, whether this one may be 0. */
static bool anyone_will_do(uint32_t kind)
{
    return kind != NPLUG_COMMAND_CLAIM && kind != NPLUG_COMMAND_LEAVE &&
           kind != NPLUG_COMMAND_COMFORT && kind != NPLUG_COMMAND_SWAP;
}

/* A rumble has an end, and is one; but what stops it takes no time. */
static bool is_rumble(const nplug_command *command)
{
    bool stops = !command->on && command->strong == 0 && command->weak == 0;
    return command->number <= NPLUG_RUMBLE_MS_MAX && (command->number || stops);
}

static bool is_in_range(const nplug_nest *nest, const nplug_command *command)
{
    if (command->kind == 0 || command->kind >= NP_COMMAND_KINDS) return false;
    if (command->kind == NPLUG_COMMAND_TEXT) return true;
    if (command->player > nest->player.players.limit) return false;
    if (command->player == 0 && !anyone_will_do(command->kind)) return false;
    if (command->kind == NPLUG_COMMAND_CLAIM) return command->number <= NPLUG_PARTS_MAX;
    if (command->kind == NPLUG_COMMAND_SWAP)
        return command->number && command->number <= nest->player.players.limit &&
               command->number != command->player;
    if (command->kind == NPLUG_COMMAND_CALIBRATE)
        return command->number <= NPLUG_CALIBRATE_MODE_RESET;
    if (command->kind == NPLUG_COMMAND_RUMBLE) return is_rumble(command);
    if (command->kind == NPLUG_COMMAND_DOMINANT)
        return command->number == 0 || np_kind_is_hand(command->number);
    if (command->kind == NPLUG_COMMAND_ZONE)
        return command->number < nest->limits.zones && command->on >> 8 <= NPLUG_ZONE_SHOW_NEVER &&
               command->control;
    return command->kind != NPLUG_COMMAND_LAYER || command->number < 32;
}

nplug_result nplug_post(nplug_nest *nest, const nplug_command *command)
{
    if (!nest || !command || !is_in_range(nest, command)) return NPLUG_ERR_ARGUMENT;
    if (needs_device(command->kind)) {
        nplug_result known = np_devices_check(&nest->device.devices, command->device);
        if (known != NPLUG_OK) return known;
    }
    return np_queue_put(&nest->posted, command) ? NPLUG_OK : NPLUG_ERR_FULL;
}

nplug_result np_post_text(nplug_nest *nest, const char *text, const nplug_command *command)
{
    np_queue *queue = &nest->posted;
    size_t length = strlen(text);

    if (queue->size - queue->count < (length + NP_TEXT_PIECE - 1) / NP_TEXT_PIECE + 1)
        return NPLUG_ERR_FULL;
    for (size_t at = 0; at < length; at += NP_TEXT_PIECE) {
        uint32_t piece[3] = {0, 0, 0};
        nplug_command part = {0};
        for (size_t i = 0; i < NP_TEXT_PIECE && at + i < length; i++)
            piece[i / 4] |= (uint32_t)(unsigned char)text[at + i] << (8 * (i % 4));
        part.kind = NPLUG_COMMAND_TEXT;
        part.device = piece[0];
        part.player = piece[1];
        part.number = piece[2];
        np_queue_put(queue, &part);
    }
    np_queue_put(queue, command);
    return NPLUG_OK;
}

/* Posts a command that switches something on or off. */
static nplug_result post_switch(nplug_nest *nest, nplug_command_kind kind, nplug_device device,
                                nplug_player player, uint32_t number, bool on)
{
    nplug_command command = {0};

    command.kind = (uint32_t)kind;
    command.device = device;
    command.player = player;
    command.number = number;
    command.on = on;
    return nplug_post(nest, &command);
}

static nplug_result post(nplug_nest *nest, nplug_command_kind kind, nplug_device device,
                         nplug_player player, uint32_t number)
{
    return post_switch(nest, kind, device, player, number, false);
}

nplug_result nplug_claim(nplug_nest *nest, nplug_device device, nplug_player player)
{
    return post(nest, NPLUG_COMMAND_CLAIM, device, player, 0);
}

nplug_result nplug_claim_part(nplug_nest *nest, nplug_device device, uint32_t part,
                              nplug_player player)
{
    if (nest && part && part > nest->game.game.def.part_count) return NPLUG_ERR_ARGUMENT;
    return post(nest, NPLUG_COMMAND_CLAIM, device, player, part);
}

nplug_result nplug_share(nplug_nest *nest, nplug_device device, nplug_player player)
{
    return post_switch(nest, NPLUG_COMMAND_CLAIM, device, player, 0, true);
}

nplug_result nplug_swap(nplug_nest *nest, nplug_player player, nplug_player other)
{
    return post(nest, NPLUG_COMMAND_SWAP, 0, player, other);
}

nplug_result nplug_unclaim(nplug_nest *nest, nplug_device device)
{
    return post(nest, NPLUG_COMMAND_UNCLAIM, device, 0, 0);
}

nplug_result nplug_unclaim_for(nplug_nest *nest, nplug_device device, nplug_player player)
{
    return player ? post(nest, NPLUG_COMMAND_UNCLAIM, device, player, 0) : NPLUG_ERR_ARGUMENT;
}

nplug_result nplug_leave(nplug_nest *nest, nplug_player player)
{
    return post(nest, NPLUG_COMMAND_LEAVE, 0, player, 0);
}

nplug_result nplug_ignore(nplug_nest *nest, nplug_device device, bool on)
{
    return post_switch(nest, NPLUG_COMMAND_IGNORE, device, 0, 0, on);
}

nplug_result nplug_calibrate(nplug_nest *nest, nplug_device device, nplug_calibrate_mode how)
{
    return post(nest, NPLUG_COMMAND_CALIBRATE, device, 0, (uint32_t)how);
}

nplug_result nplug_switch_layer(nplug_nest *nest, nplug_player player, uint32_t layer, bool on)
{
    if (player == NPLUG_NOBODY) return NPLUG_ERR_ARGUMENT;
    return post_switch(nest, NPLUG_COMMAND_LAYER, 0, player == NPLUG_EVERYONE ? 0 : player, layer,
                       on);
}

nplug_result nplug_set_dominant(nplug_nest *nest, uint32_t hand)
{
    return post_switch(nest, NPLUG_COMMAND_DOMINANT, 0, 0, hand, hand == NPLUG_KIND_UNKNOWN);
}

nplug_result nplug_mute(nplug_nest *nest, uint32_t kinds)
{
    return post(nest, NPLUG_COMMAND_MUTE, 0, 0, kinds);
}

nplug_result nplug_show_player(nplug_nest *nest, nplug_device device, nplug_player player)
{
    return post(nest, NPLUG_COMMAND_LIGHTS, device, player, 0);
}

static uint16_t as_magnitude(float value)
{
    return value >= 1.0f ? 65535 : (uint16_t)(value * 65535.0f);
}

static nplug_result post_rumble(nplug_nest *nest, nplug_device device, float strong, float weak,
                                uint32_t ms, bool after)
{
    nplug_command command = {0};

    if (!(strong >= 0.0f) || !(weak >= 0.0f)) return NPLUG_ERR_ARGUMENT;
    command.kind = NPLUG_COMMAND_RUMBLE;
    command.device = device;
    command.strong = as_magnitude(strong);
    command.weak = as_magnitude(weak);
    command.number = ms;
    command.on = after;
    return nplug_post(nest, &command);
}

nplug_result nplug_rumble(nplug_nest *nest, nplug_device device, float strong, float weak,
                          uint32_t milliseconds)
{
    return post_rumble(nest, device, strong, weak, milliseconds, false);
}

nplug_result nplug_rumble_after(nplug_nest *nest, nplug_device device, float strong, float weak,
                                uint32_t milliseconds)
{
    return post_rumble(nest, device, strong, weak, milliseconds, true);
}

nplug_result nplug_pause_rumble(nplug_nest *nest, bool on)
{
    return post_switch(nest, NPLUG_COMMAND_PAUSE_RUMBLE, 0, 0, 0, on);
}
