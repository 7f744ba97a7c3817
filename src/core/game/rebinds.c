/* Own texts: what players have in place of the game's.
 *
 * Owns np_rebinds.  Comes in: texts in pieces.  Goes out: texts; bindings that are read anew. */
#include "core/game/game.h"
#include "core/game/reader.h"
#include <string.h>

#define HEAD 3u /* bytes before each text */

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

const char *np_rebind_own(const np_rebinds *rebinds, uint32_t player, uint32_t action)
{
    uint32_t at = find(rebinds, player, action);
    return at == NP_NONE ? NULL : rebinds->text + at + HEAD;
}

bool np_rebind_has_room(const np_rebinds *rebinds, uint32_t player, uint32_t action,
                        const char *text)
{
    uint32_t at = find(rebinds, player, action);
    uint32_t room = rebinds->size - rebinds->used + (at == NP_NONE ? 0 : length_at(rebinds, at));

    return strlen(text) + HEAD + 1 <= room;
}

void np_rebind_keep(np_rebinds *rebinds, uint32_t player, uint32_t action, const char *text)
{
    forget(rebinds, player, action);
    if (text) keep(rebinds, player, action, text);
}

void np_rebind_swap_texts(np_rebinds *rebinds, uint32_t a, uint32_t b)
{
    for (uint32_t at = 0; at < rebinds->used; at += length_at(rebinds, at)) {
        unsigned char head = (unsigned char)rebinds->text[at];
        uint32_t player = head & ~NP_OF_COMFORT;
        if (player != a && player != b) continue;
        rebinds->text[at] = (char)((head & NP_OF_COMFORT) | (player == a ? b : a));
    }
}

/* --- texts in pieces ------------------------------------------------------------------------- */

/* Twelve bytes of a text stand in three numbers of a command, the lowest first. */
void np_rebind_add_piece(np_rebinds *rebinds, const nplug_command *command)
{
    uint32_t piece[3] = {command->device, command->player, command->number};

    for (unsigned i = 0; i < NP_TEXT_PIECE; i++) {
        char byte = (char)((piece[i / 4] >> (8 * (i % 4))) & 255u);
        if (byte && rebinds->pending_length + 1 < sizeof rebinds->pending)
            rebinds->pending[rebinds->pending_length++] = byte;
    }
    rebinds->pending[rebinds->pending_length] = 0;
}

const char *np_rebind_take_text(np_rebinds *rebinds)
{
    rebinds->pending[rebinds->pending_length] = 0;
    rebinds->pending_length = 0;
    return rebinds->pending;
}

/* --- reading --------------------------------------------------------------------------------- */

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

/* For whom new bindings are: a player, or all who have none of their own. */
static uint32_t players_of(const np_game_room *room, uint32_t player, uint32_t action)
{
    uint32_t players = NP_EVERYBODY;

    if (player) return 1u << player;
    for (uint32_t p = 1; p <= room->limits->players; p++)
        if (find(&room->rebinds, p, action) != NP_NONE) players &= ~(1u << p);
    return players;
}

bool np_rebind_read(np_game_room *room, uint32_t player, uint32_t action, const char *text)
{
    uint32_t last = np_game_last(&room->game, action);
    np_reader in;

    memset(&in, 0, sizeof in);
    in.named = &room->game.def;
    in.out = room->out;
    in.game = &room->game;
    in.action = np_game_action(&room->game, action);
    in.number = action;
    in.players = players_of(room, player, action);
    in.swaps = player ? room->comforts.ease[player].every.flags / NP_COMFORT_SWAP_STICKS : 0;
    if (np_action_read(&in, text)) return true;
    drop_after(&room->game, action, last);
    return false;
}

const char *np_rebind_text(const np_game_room *room, uint32_t player, uint32_t action)
{
    const char *text = np_rebind_own(&room->rebinds, player, action);

    if (!text) text = np_rebind_own(&room->rebinds, 0, action);
    if (!text) text = np_game_action(&room->game, action)->bindings;
    return text ? text : "";
}

nplug_result np_rebind_check(const np_game_room *room, uint32_t player, uint32_t action,
                             const char *text)
{
    np_reader in;

    memset(&in, 0, sizeof in);
    in.named = &room->game.def;
    in.out = room->out;
    in.action = np_game_action(&room->game, action);
    if (!text) return NPLUG_OK;
    if (!np_action_read(&in, text)) return in.result;
    if (!player || room->game.rules[action].keep <= (in.place != 0)) return NPLUG_OK;
    np_reader_fail_here(&in, in.place ? "players cannot change this" : "a binding must be left");
    return NPLUG_ERR_KEPT;
}
