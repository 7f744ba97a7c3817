/* What players have of their own: bindings, comfort, and picking a control for them.
 *
 * Owns nothing.  Comes in: texts, a pick.  Goes out: commands for the next step; texts. */
#include "core/calls/calls.h"
#include <string.h>

/* A pick's threshold where the game says none. */
#define THRESHOLD 0.6f

/* Whose bindings: a player's, or the game's, which stand at 0. */
static uint32_t row_of(nplug_player player)
{
    if (player == NPLUG_EVERYONE) return 0;
    return player == NPLUG_NOBODY ? NP_NONE : player;
}

static bool is_there(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    return nest && nest->game.game.used && row_of(player) <= nest->limits.players &&
           action < nest->game.game.def.action_count;
}

nplug_result nplug_bind(nplug_nest *nest, nplug_player player, uint32_t action, const char *from)
{
    nplug_command command = {0};
    nplug_result result;

    if (!is_there(nest, player, action)) return nest ? NPLUG_ERR_UNKNOWN : NPLUG_ERR_ARGUMENT;
    if (row_of(player) > nest->player.players.limit) return NPLUG_ERR_ARGUMENT;
    if (from && strlen(from) >= NPLUG_BINDINGS_SIZE) return NPLUG_ERR_SIZE;
    result = np_rebind_check(&nest->game, row_of(player), action, from);
    if (result != NPLUG_OK) return result;
    command.kind = NPLUG_COMMAND_BIND;
    command.player = row_of(player);
    command.number = action;
    command.on = from != NULL;
    return np_post_text(nest, from ? from : "", &command);
}

const char *nplug_bindings(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    return is_there(nest, player, action) ? np_rebind_text(&nest->game, row_of(player), action)
                                          : "";
}

bool nplug_is_rebound(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    return is_there(nest, player, action) &&
           np_rebind_own(&nest->game.rebinds, row_of(player), action);
}

/* --- comfort --------------------------------------------------------------------------------- */

nplug_result nplug_set_comfort(nplug_nest *nest, nplug_player player, uint32_t action,
                               const char *text)
{
    uint32_t number = action == NPLUG_EVERY_ACTION ? NP_EVERY : action;
    nplug_command command = {0};
    nplug_result result;

    if (!nest || !text || !nest->game.game.used || player == 0) return NPLUG_ERR_ARGUMENT;
    if (player > nest->player.players.limit) return NPLUG_ERR_ARGUMENT;
    if (number != NP_EVERY && number >= nest->game.game.def.action_count) return NPLUG_ERR_UNKNOWN;
    if (strlen(text) >= NPLUG_BINDINGS_SIZE) return NPLUG_ERR_SIZE;
    result = np_comfort_check(&nest->game, number, text);
    if (result != NPLUG_OK) return result;
    command.kind = NPLUG_COMMAND_COMFORT;
    command.player = player;
    command.number = number;
    return np_post_text(nest, text, &command);
}

const char *nplug_comfort(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    uint32_t number = action == NPLUG_EVERY_ACTION ? NP_EVERY : action;
    const char *text = NULL;

    if (nest && player <= nest->limits.players && number <= NP_EVERY)
        text = np_rebind_own(&nest->game.rebinds, player | NP_OF_COMFORT, number);
    return text ? text : "";
}

/* --- picking --------------------------------------------------------------------------------- */

nplug_result nplug_start_pick(nplug_nest *nest, const nplug_pick *wish)
{
    nplug_pick pick = {0};
    nplug_command command = {0};

    if (!nest || !wish) return NPLUG_ERR_ARGUMENT;
    if (!np_size_take(&pick, sizeof pick, wish, NP_FIRST(nplug_pick, reserved)))
        return NPLUG_ERR_SIZE;
    if (!(pick.threshold >= 0.0f && pick.threshold <= 1.0f)) return NPLUG_ERR_ARGUMENT;
    command.kind = NPLUG_COMMAND_PICK;
    command.player = row_of(pick.player);
    command.number = pick.wait_ms;
    command.device = pick.kinds;
    command.control = pick.cancel;
    command.on = pick.takes;
    command.strong = (uint16_t)((pick.threshold > 0.0f ? pick.threshold : THRESHOLD) * 65535.0f);
    return nplug_post(nest, &command);
}

nplug_result nplug_stop_pick(nplug_nest *nest)
{
    nplug_command command = {0};

    command.kind = NPLUG_COMMAND_PICK_END;
    return nplug_post(nest, &command);
}

nplug_result nplug_pick_info(const nplug_nest *nest, nplug_pick_facts *facts)
{
    nplug_pick_facts now;

    if (!nest || !facts) return NPLUG_ERR_ARGUMENT;
    now = nest->action.pick.state;
    now.player = nest->action.pick.player ? nest->action.pick.player : NPLUG_EVERYONE;
    if (now.waits && nest->action.pick.until > nest->feed.processed)
        now.left_us = nest->action.pick.until - nest->feed.processed;
    return np_size_give(facts, NP_FIRST(nplug_pick_facts, reserved), &now, sizeof now);
}
