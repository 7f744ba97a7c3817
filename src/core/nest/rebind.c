/* Bindings come and go while the game runs: what each room does for that, in order.
 *
 * Owns nothing.  Comes in: own bindings, comfort, a change of seats.  Goes out: old bindings let
 * go, new ones linked, an event. */
#include "core/nest/nest.h"
#include <string.h>

static void drop_idle_sources(nplug_nest *nest)
{
    uint32_t source;

    while ((source = np_game_idle_source(&nest->game.game)) != NP_NO_INDEX) {
        np_links_drop_source(&nest->action, source);
        np_gestures_forget(&nest->action, source);
        np_game_drop_source(&nest->game.game, source);
    }
}

static void drop(nplug_nest *nest, uint32_t binding)
{
    np_latest_forget(&nest->action, binding);
    np_game_drop(&nest->game.game, binding);
}

/* A binding that was there before: of the game's where they change, of a player's where theirs do.
 */
static void retire_one(nplug_nest *nest, uint32_t player, uint32_t b, bool reset,
                       const np_change *change)
{
    np_game *game = &nest->game.game;
    uint32_t bit = 1u << player, players = game->bindings[b].players;
    bool of_game = (players & NP_OF_GAME) != 0;

    for (uint32_t p = 0; p <= nest->limits.players; p++)
        if ((p == player || player == 0) && (players >> p) & 1u && of_game >= (player == 0))
            np_presses_cancel(&nest->action, p, b, change);
    if (of_game && player)
        np_game_set_players(game, b, reset ? players | bit : players & ~bit);
    else if (of_game || (player && (players & bit)))
        drop(nest, b);
}

/* Those that were there up to `last`. */
static void retire(nplug_nest *nest, uint32_t player, uint32_t action, uint32_t last, bool reset,
                   nplug_time time)
{
    np_change change = {time, NP_NONE, 0, 0, true};
    uint32_t b = last == NP_NO_INDEX ? last : nest->game.game.first_binding[action];

    while (b != NP_NO_INDEX) {
        uint32_t next = b == last ? NP_NO_INDEX : nest->game.game.bindings[b].next;
        retire_one(nest, player, b, reset, &change);
        b = next;
    }
}

static bool link_new(nplug_nest *nest, uint32_t action)
{
    const np_game *game = &nest->game.game;
    bool all = true;

    for (uint32_t b = game->first_binding[action]; b != NP_NO_INDEX; b = game->bindings[b].next) {
        const np_binding *binding = &game->bindings[b];
        for (uint32_t i = 0; i < binding->source_count; i++)
            all &= np_links_add_source(&nest->action, binding->source[i]);
        for (uint32_t i = 0; i < binding->with_count; i++)
            all &= np_links_add_source(&nest->action, binding->with[i]);
    }
    return all;
}

/* All that hangs on bindings is found anew. */
static void settle(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    drop_idle_sources(nest);
    if (!link_new(nest, action)) np_out_limit(&nest->out, NPLUG_LIMIT_LINKS, time);
    if (np_labels_miss(&nest->action)) np_hotplug_ask_all_labels(nest, time);
    np_wake_bound(nest, player, action, time);
    np_out_event(&nest->out, time, NPLUG_EVENT_BOUND, 0, player ? player : NPLUG_EVERYONE)->action =
        action;
}

/* Other bindings in the place of those that are there; false, and all is as it was, where there is
 * no room for them. */
static bool replace(nplug_nest *nest, uint32_t player, uint32_t action, const char *text,
                    nplug_time time)
{
    uint32_t last = np_game_last(&nest->game.game, action);

    if (!np_rebind_read(&nest->game, player, action, text)) {
        drop_idle_sources(nest);
        np_out_limit(&nest->out, NPLUG_LIMIT_BINDINGS, time);
        return false;
    }
    retire(nest, player, action, last, false, time);
    settle(nest, player, action, time);
    return true;
}

static void bind(nplug_nest *nest, uint32_t player, uint32_t action, const char *text,
                 nplug_time time)
{
    if (!np_rebind_has_room(&nest->game.rebinds, player, action, text)) {
        np_out_limit(&nest->out, NPLUG_LIMIT_BINDINGS, time);
        return;
    }
    if (replace(nest, player, action, text, time))
        np_rebind_keep(&nest->game.rebinds, player, action, text);
}

/* A player's bindings of an action are read anew, as their own. */
static void read_again(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    replace(nest, player, action, np_rebind_text(&nest->game, player, action), time);
}

/* The game's bindings are a player's again; with the sticks swapped, a copy of them. */
static void reset(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    uint32_t last = np_game_last(&nest->game.game, action);

    np_rebind_keep(&nest->game.rebinds, player, action, NULL);
    if (nest->game.comforts.ease[player].every.flags & NP_COMFORT_SWAPS) {
        read_again(nest, player, action, time);
        return;
    }
    retire(nest, player, action, last, true, time);
    settle(nest, player, action, time);
}

void np_rebind_take(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t player = command->player, action = command->number;
    np_rebinds *rebinds = &nest->game.rebinds;
    const char *text = np_rebind_take_text(rebinds), *from;

    if (action >= nest->game.game.def.action_count) return;
    from = np_game_action(&nest->game.game, action)->bindings;
    if (command->on) {
        bind(nest, player, action, text, time);
    } else if (np_rebind_own(rebinds, player, action) && player) {
        reset(nest, player, action, time);
    } else if (np_rebind_own(rebinds, player, action) &&
               replace(nest, player, action, from ? from : "", time)) {
        np_rebind_keep(rebinds, player, action, NULL);
    }
}

/* --- two players change seats ----------------------------------------------------------------- */

void np_rebind_swap(nplug_nest *nest, uint32_t a, uint32_t b, nplug_time time)
{
    np_change change = {time, NP_NONE, 0, 0, true};
    np_game *game = &nest->game.game;

    for (uint32_t i = 0; i < game->binding_count; i++) {
        uint32_t players = game->bindings[i].players;
        if (game->bindings[i].action == NP_NO_INDEX) continue;
        np_presses_cancel(&nest->action, a, i, &change);
        np_presses_cancel(&nest->action, b, i, &change);
        if (((players >> a) ^ (players >> b)) & 1u)
            np_game_set_players(game, i, players ^ (1u << a | 1u << b));
    }
    np_rebind_swap_texts(&nest->game.rebinds, a, b);
    np_comfort_swap(&nest->game.comforts, game->def.action_count, a, b);
    np_layers_cover_all(&nest->action, time);
    for (uint32_t action = 0; action < game->def.action_count; action++) {
        np_marks_drop_kept(&nest->action, a, action);
        np_marks_drop_kept(&nest->action, b, action);
    }
}

/* --- comfort -----------------------------------------------------------------------------------
 */

/* Nothing goes on that was begun otherwise. */
static void release(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    np_change change = {time, NP_NONE, 0, 0, true};
    const np_game *game = &nest->game.game;

    for (uint32_t b = 0; b < game->binding_count; b++)
        if (game->bindings[b].action != NP_NO_INDEX &&
            (action == NP_EVERY || game->bindings[b].action == action))
            np_presses_cancel(&nest->action, player, b, &change);
    for (uint32_t a = 0; a < game->def.action_count; a++)
        if (action == NP_EVERY || action == a) np_marks_action(&nest->action, player, a);
}

/* Bindings of pads are read anew. */
static void swap_controls(nplug_nest *nest, uint32_t player, nplug_time time)
{
    for (uint32_t a = 0; a < nest->game.game.def.action_count; a++)
        if (strstr(np_rebind_text(&nest->game, player, a), "pad:"))
            read_again(nest, player, a, time);
}

void np_rebind_comfort(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t player = command->player, action = command->number & NP_EVERY;
    const char *text = np_rebind_take_text(&nest->game.rebinds);
    np_comfort_news news;

    if (action != NP_EVERY && action >= nest->game.game.def.action_count) return;
    news = np_comfort_take(&nest->game, player, action, text, time);
    if (news != NP_COMFORT_AS_IT_WAS) release(nest, player, action, time);
    if (news == NP_COMFORT_SWAPPED) swap_controls(nest, player, time);
}
