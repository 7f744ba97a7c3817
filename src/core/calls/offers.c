/* What the game may ask about what players can do for its actions.
 *
 * Owns nothing.  Comes in: a player, an action.  Goes out: a binding as it is compiled, and a
 * device that has it. */
#include "core/calls/calls.h"
#include <string.h>

/* The binding of that index among those of an action that are for a player; NP_NO_INDEX. */
static uint32_t find(const np_game *game, nplug_player player, uint32_t action, uint32_t index)
{
    uint32_t b = game->first_binding[action];

    for (; b != NP_NO_INDEX; b = game->bindings[b].next)
        if ((game->bindings[b].players >> player) & 1u && index-- == 0) break;
    return b;
}

/* Whether a player hears a control of a source, on a device or one of the same set. */
static bool has(const nplug_nest *nest, nplug_player player, uint32_t source, uint32_t device)
{
    const np_action_room *room = &nest->action;
    uint32_t at = room->sources.of_source[source];

    for (; at != NP_NO_INDEX; at = room->sources.links[at].next) {
        const np_control *control = &room->controls->list[room->sources.links[at].control];
        if ((np_players_hearing(room->players, control) >> player) & 1u &&
            np_active_same_set(&nest->player, control->device, device))
            return true;
    }
    return false;
}

static bool has_all(const nplug_nest *nest, nplug_player player, const np_binding *binding,
                    uint32_t device)
{
    bool all = true;

    for (uint32_t i = 1; i < binding->source_count; i++)
        all &= has(nest, player, binding->source[i], device);
    for (uint32_t i = 0; i < binding->with_count; i++)
        all &= has(nest, player, binding->with[i], device);
    return all;
}

/* A device on which a player can do it, the active set's where there is a choice; NP_NONE. */
static uint32_t device_of(const nplug_nest *nest, nplug_player player, const np_binding *binding,
                          bool *active)
{
    const np_action_room *room = &nest->action;
    uint32_t used = np_devices_here(&nest->device.devices, nest->player.active.of[player].device);
    uint32_t at = room->sources.of_source[binding->source[0]], best = NP_NONE;

    *active = false;
    for (; at != NP_NO_INDEX && !*active; at = room->sources.links[at].next) {
        const np_control *control = &room->controls->list[room->sources.links[at].control];
        if (!((np_players_hearing(room->players, control) >> player) & 1u)) continue;
        if (!has_all(nest, player, binding, control->device)) continue;
        *active = used != NP_NONE && np_active_same_set(&nest->player, used, control->device);
        if (*active || best == NP_NONE) best = control->device;
    }
    return best;
}

static nplug_source source_at(const np_game *game, uint32_t source)
{
    nplug_source out = {game->sources[source].control, game->sources[source].way};
    return out;
}

static void fill(const np_game *game, const np_binding *from, uint32_t index, nplug_binding *into)
{
    const np_filter *filter = &game->filters[game->sources[from->source[0]].filter];

    into->index = index;
    into->held_count = from->with_count;
    into->driving_count = from->source_count;
    for (uint32_t i = 0; i < from->with_count; i++)
        into->held[i] = source_at(game, from->with[i]);
    for (uint32_t i = 0; i < from->source_count; i++)
        into->driving[i] = source_at(game, from->source[i]);
    into->gesture = from->gesture;
    into->taps = from->taps;
    into->wait_us = from->wait;
    into->every_us = from->every;
    into->kind = (uint32_t)filter->kind;
    memcpy(into->family, filter->family, sizeof into->family);
    memcpy(into->sheet, filter->sheet, sizeof into->sheet);
    into->observes = from->observes;
    into->confirm = filter->confirm;
}

nplug_result nplug_offer_info(const nplug_nest *nest, nplug_player player, uint32_t action,
                              uint32_t index, nplug_offer *offer)
{
    nplug_offer now = {0};
    const np_binding *binding;
    uint32_t found, device;

    if (!nest || !offer || !nest->game.game.used) return NPLUG_ERR_ARGUMENT;
    if (player > nest->limits.players || action >= nest->game.game.def.action_count)
        return NPLUG_ERR_UNKNOWN;
    found = find(&nest->game.game, player, action, index);
    if (found != NP_NO_INDEX) {
        binding = &nest->game.game.bindings[found];
        fill(&nest->game.game, binding, index, &now.binding);
        device = device_of(nest, player, binding, &now.active);
        if (device != NP_NONE) now.device = np_devices_handle(&nest->device.devices, device);
        now.serves = np_bindings_may_serve(&nest->action, player, binding);
        now.own = !(binding->players & NP_OF_GAME);
    }
    if (np_size_give(offer, NP_FIRST(nplug_offer, reserved), &now, sizeof now) != NPLUG_OK)
        return NPLUG_ERR_SIZE;
    return found == NP_NO_INDEX ? NPLUG_ERR_UNKNOWN : NPLUG_OK;
}
