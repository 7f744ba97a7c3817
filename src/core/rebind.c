#include "rebind.h"
#include "binding_text.h"
#include "nest.h"
#include <string.h>

#define HEAD       3u /* bytes before each text */
#define OF_COMFORT 128u

void np_rebind_layout(np_rebinds *rebinds, np_carve *carve, const nplug_limits *limits)
{
    rebinds->text = (char *)np_carve_take(carve, limits->text, 1);
    rebinds->size = limits->text;
}

/* --- the texts ------------------------------------------------------------------------------ */

static uint32_t length_at(const np_rebinds *rebinds, uint32_t at)
{
    return HEAD + (uint32_t)strlen(rebinds->text + at + HEAD) + 1;
}

/* Where a player's text for an action stands, or NP_NONE. */
static uint32_t find(const np_rebinds *rebinds, uint32_t player, uint32_t action)
{
    for (uint32_t at = 0; at < rebinds->used; at += length_at(rebinds, at)) {
        const unsigned char *head = (const unsigned char *)rebinds->text + at;
        if (head[0] == player && head[1] == (action & 255u) && head[2] == action >> 8) return at;
    }
    return NP_NONE;
}

static void forget(np_rebinds *rebinds, uint32_t player, uint32_t action)
{
    uint32_t at = find(rebinds, player, action), length;

    if (at == NP_NONE) return;
    length = length_at(rebinds, at);
    memmove(rebinds->text + at, rebinds->text + at + length, rebinds->used - at - length);
    rebinds->used -= length;
}

static void keep(np_rebinds *rebinds, uint32_t player, uint32_t action, const char *text)
{
    char *at = rebinds->text + rebinds->used;

    at[0] = (char)player;
    at[1] = (char)(action & 255u);
    at[2] = (char)(action >> 8);
    strcpy(at + HEAD, text);
    rebinds->used += HEAD + (uint32_t)strlen(text) + 1;
}

/* How much room a text has, in place of the one that is there. */
static uint32_t room_for(const np_rebinds *rebinds, uint32_t player, uint32_t action)
{
    uint32_t at = find(rebinds, player, action);
    return rebinds->size - rebinds->used + (at == NP_NONE ? 0 : length_at(rebinds, at));
}

bool np_rebind_has_room(const nplug_nest *nest, uint32_t player, uint32_t action, const char *text)
{
    return strlen(text) + HEAD + 1 <= room_for(&nest->rebinds, player | OF_COMFORT, action);
}

void np_rebind_keep_comfort(nplug_nest *nest, uint32_t player, uint32_t action, const char *text)
{
    forget(&nest->rebinds, player | OF_COMFORT, action);
    if (*text) keep(&nest->rebinds, player | OF_COMFORT, action, text);
}

const char *np_rebind_comfort(const nplug_nest *nest, uint32_t player, uint32_t action)
{
    uint32_t at = find(&nest->rebinds, player | OF_COMFORT, action);
    return at == NP_NONE ? "" : nest->rebinds.text + at + HEAD;
}

/* --- bindings come and go ------------------------------------------------------------------- */

static void drop_idle_sources(nplug_nest *nest)
{
    uint32_t source;

    while ((source = np_game_idle_source(&nest->game)) != NP_NO_INDEX) {
        np_sources_unlink_one(nest, source);
        np_gestures_forget(nest, source);
        np_game_drop_source(&nest->game, source);
    }
}

static uint32_t last_binding(const np_game *game, uint32_t action)
{
    uint32_t last = NP_NO_INDEX;

    for (uint32_t b = game->first_binding[action]; b != NP_NO_INDEX; b = game->bindings[b].next)
        last = b;
    return last;
}

/* The bindings of an action after one (NP_NO_INDEX: all) go again. */
static void drop_after(np_game *game, uint32_t action, uint32_t last)
{
    uint32_t b = last == NP_NO_INDEX ? game->first_binding[action] : game->bindings[last].next;

    while (b != NP_NO_INDEX) {
        uint32_t next = game->bindings[b].next;
        np_game_drop(game, b);
        b = next;
    }
}

static void drop(nplug_nest *nest, uint32_t binding)
{
    np_latest_forget(nest, binding);
    np_game_drop(&nest->game, binding);
}

/* A binding that was there before: of the game's where they change, of a player's where theirs do.
 */
static void retire_one(nplug_nest *nest, uint32_t player, uint32_t b, bool reset,
                       const np_change *change)
{
    np_game *game = &nest->game;
    uint32_t bit = 1u << player, players = game->bindings[b].players;
    bool of_game = (players & NP_OF_GAME) != 0;

    for (uint32_t p = 0; p <= nest->limits.players; p++)
        if ((p == player || player == 0) && (players >> p) & 1u && of_game >= (player == 0))
            np_gestures_drop(nest, p, b, change);
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
    uint32_t b = last == NP_NO_INDEX ? last : nest->game.first_binding[action];

    while (b != NP_NO_INDEX) {
        uint32_t next = b == last ? NP_NO_INDEX : nest->game.bindings[b].next;
        retire_one(nest, player, b, reset, &change);
        b = next;
    }
}

static bool link_new(nplug_nest *nest, uint32_t action)
{
    const np_game *game = &nest->game;
    bool all = true;

    for (uint32_t b = game->first_binding[action]; b != NP_NO_INDEX; b = game->bindings[b].next) {
        const np_binding *binding = &game->bindings[b];
        for (uint32_t i = 0; i < binding->source_count; i++)
            all &= np_sources_link_one(nest, binding->source[i]);
        for (uint32_t i = 0; i < binding->with_count; i++)
            all &= np_sources_link_one(nest, binding->with[i]);
    }
    return all;
}

/* For whom new bindings are: a player, or all who have none of their own. */
static uint32_t players_of(const nplug_nest *nest, uint32_t player, uint32_t action)
{
    uint32_t players = NP_EVERYBODY;

    if (player) return 1u << player;
    for (uint32_t p = 1; p <= nest->limits.players; p++)
        if (find(&nest->rebinds, p, action) != NP_NONE) players &= ~(1u << p);
    return players;
}

static bool read_text(nplug_nest *nest, uint32_t player, uint32_t action, const char *text)
{
    np_reader in;

    memset(&in, 0, sizeof in);
    in.nest = nest;
    in.game = &nest->game;
    in.action = np_game_action(&nest->game, action);
    in.number = action;
    in.players = players_of(nest, player, action);
    in.swaps = player ? nest->comforts.ease[player].every.flags / NP_COMFORT_SWAP_STICKS : 0;
    return np_action_read(&in, text);
}

/* All that hangs on bindings is found anew. */
static void settle(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    drop_idle_sources(nest);
    if (!link_new(nest, action)) np_limit_reached(nest, NPLUG_LIMIT_LINKS, time);
    np_guards_empty_all(nest);
    if (np_labels_miss(nest)) np_labels_ask_all(nest, time);
    np_layers_cover_all(nest, time);
    for (uint32_t p = 0; p <= nest->limits.players; p++)
        if (p == player || player == 0) np_values_mark(nest, p, action);
    np_events_say(&nest->events, time, NPLUG_EVENT_BOUND, 0, player)->action = action;
}

/* Other bindings in the place of those that are there; false, and all is as it was, where there is
 * no room for them. */
static bool replace(nplug_nest *nest, uint32_t player, uint32_t action, const char *text,
                    nplug_time time)
{
    uint32_t last = last_binding(&nest->game, action);

    if (!read_text(nest, player, action, text)) {
        drop_after(&nest->game, action, last);
        drop_idle_sources(nest);
        np_limit_reached(nest, NPLUG_LIMIT_BINDINGS, time);
        return false;
    }
    retire(nest, player, action, last, false, time);
    settle(nest, player, action, time);
    return true;
}

static void bind(nplug_nest *nest, uint32_t player, uint32_t action, const char *text,
                 nplug_time time)
{
    if (strlen(text) + HEAD + 1 > room_for(&nest->rebinds, player, action)) {
        np_limit_reached(nest, NPLUG_LIMIT_BINDINGS, time);
        return;
    }
    if (!replace(nest, player, action, text, time)) return;
    forget(&nest->rebinds, player, action);
    keep(&nest->rebinds, player, action, text);
}

void np_rebind_again(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    replace(nest, player, action, nplug_bindings_of(nest, player, action), time);
}

/* --- two players change seats ----------------------------------------------------------------- */

static void swap_texts(np_rebinds *rebinds, uint32_t a, uint32_t b)
{
    for (uint32_t at = 0; at < rebinds->used; at += length_at(rebinds, at)) {
        unsigned char head = (unsigned char)rebinds->text[at];
        uint32_t player = head & ~OF_COMFORT;
        if (player != a && player != b) continue;
        rebinds->text[at] = (char)((head & OF_COMFORT) | (player == a ? b : a));
    }
}

void np_rebind_swap(nplug_nest *nest, uint32_t a, uint32_t b, nplug_time time)
{
    np_change change = {time, NP_NONE, 0, 0, true};
    np_game *game = &nest->game;

    for (uint32_t i = 0; i < game->binding_count; i++) {
        uint32_t players = game->bindings[i].players;
        if (game->bindings[i].action == NP_NO_INDEX) continue;
        np_gestures_drop(nest, a, i, &change);
        np_gestures_drop(nest, b, i, &change);
        if (((players >> a) ^ (players >> b)) & 1u)
            np_game_set_players(game, i, players ^ (1u << a | 1u << b));
    }
    swap_texts(&nest->rebinds, a, b);
    np_comfort_swap(&nest->comforts, game->def.action_count, a, b);
    np_layers_cover_all(nest, time);
    for (uint32_t action = 0; action < game->def.action_count; action++) {
        np_values_mark(nest, a, action);
        np_values_mark(nest, b, action);
    }
}

/* --- commands ------------------------------------------------------------------------------- */

/* Twelve bytes of a text stand in three numbers of a command, the lowest first. */
void np_rebind_text(nplug_nest *nest, const nplug_command *command)
{
    np_rebinds *rebinds = &nest->rebinds;
    uint32_t piece[3] = {command->device, command->player, command->number};

    for (unsigned i = 0; i < NP_TEXT_PIECE; i++) {
        char byte = (char)((piece[i / 4] >> (8 * (i % 4))) & 255u);
        if (byte && rebinds->pending_length + 1 < sizeof rebinds->pending)
            rebinds->pending[rebinds->pending_length++] = byte;
    }
    rebinds->pending[rebinds->pending_length] = 0;
}

const char *np_rebind_take_text(nplug_nest *nest)
{
    nest->rebinds.pending[nest->rebinds.pending_length] = 0;
    nest->rebinds.pending_length = 0;
    return nest->rebinds.pending;
}

/* The game's bindings are a player's again; with the sticks swapped, a copy of them. */
static void reset(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    uint32_t last = last_binding(&nest->game, action);

    forget(&nest->rebinds, player, action);
    if (nest->comforts.ease[player].every.flags & NP_COMFORT_SWAPS) {
        np_rebind_again(nest, player, action, time);
        return;
    }
    retire(nest, player, action, last, true, time);
    settle(nest, player, action, time);
}

void np_rebind_take(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t player = command->player, action = command->number;
    const char *text = np_rebind_take_text(nest), *from;

    if (action >= nest->game.def.action_count) return;
    from = np_game_action(&nest->game, action)->from;
    if (command->on) {
        bind(nest, player, action, text, time);
    } else if (find(&nest->rebinds, player, action) != NP_NONE && player) {
        reset(nest, player, action, time);
    } else if (find(&nest->rebinds, player, action) != NP_NONE &&
               replace(nest, player, action, from ? from : "", time)) {
        forget(&nest->rebinds, player, action);
    }
}

/* --- calls ---------------------------------------------------------------------------------- */

static bool is_there(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    return nest && nest->game.used && player <= nest->limits.players &&
           action < nest->game.def.action_count;
}

nplug_result nplug_bind(nplug_nest *nest, nplug_player player, uint32_t action, const char *from)
{
    nplug_command command = {0};
    np_reader in;

    if (!is_there(nest, player, action)) return nest ? NPLUG_ERR_UNKNOWN : NPLUG_ERR_ARGUMENT;
    if (player > nest->players.limit) return NPLUG_ERR_ARGUMENT;
    if (from && strlen(from) >= NPLUG_BINDINGS_SIZE) return NPLUG_ERR_SIZE;
    memset(&in, 0, sizeof in);
    in.nest = nest;
    in.action = np_game_action(&nest->game, action);
    if (from && !np_action_read(&in, from)) return in.result;
    if (from && player && nest->game.rules[action].keep > (in.place != 0)) {
        np_reader_fail(&in, in.place ? "players cannot change this" : "a binding must be left",
                       NULL, 0);
        return in.result;
    }
    command.kind = NPLUG_COMMAND_BIND;
    command.player = player;
    command.number = action;
    command.on = from != NULL;
    return np_commands_put_text(nest, from ? from : "", &command);
}

const char *nplug_bindings_of(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    uint32_t at;
    const char *from;

    if (!is_there(nest, player, action)) return "";
    at = find(&nest->rebinds, player, action);
    if (at == NP_NONE) at = find(&nest->rebinds, NPLUG_ANYONE, action);
    if (at != NP_NONE) return nest->rebinds.text + at + HEAD;
    from = np_game_action(&nest->game, action)->from;
    return from ? from : "";
}

bool nplug_is_rebound(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    return is_there(nest, player, action) && find(&nest->rebinds, player, action) != NP_NONE;
}
