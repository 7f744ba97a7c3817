/* Comfort: what a player wants otherwise than the game does.
 *
 * Owns np_comforts.  Comes in: texts.  Goes out: waits, thresholds, shapings and flags, by player
 * and action. */
#include "core/game/game.h"
#include "core/game/reader.h"
#include <string.h>

void np_comfort_layout(np_comforts *comforts, np_arena *arena, const nplug_limits *limits)
{
    static const np_array arrays[] = {NP_ARRAY(np_comforts, list, actions, NP_ARRAY_BY_PLAYER),
                                      NP_ARRAY(np_comforts, ease, players, NP_ARRAY_PLAYERS)};
    static const np_ease usual = {1.0f, 1.0f, {0, 0, NP_NO_INDEX, 0}, false};

    comforts->action_limit = limits->actions;
    np_arena_lay(arena, comforts, limits, arrays, sizeof arrays / sizeof *arrays);
    for (size_t p = 0; arena->base && p <= limits->players; p++) {
        comforts->ease[p] = usual;
        for (size_t i = 0; i < limits->actions; i++)
            comforts->list[p * limits->actions + i] = usual.every;
    }
}

/* --- what holds ----------------------------------------------------------------------------- */

static const np_comfort *comfort_of(const np_game_room *room, uint32_t player, uint32_t action)
{
    return &room->comforts.list[(size_t)player * room->comforts.action_limit + action];
}

uint32_t np_comfort_wait(const np_game_room *room, uint32_t player, uint32_t wait)
{
    float waits = room->comforts.ease[player].waits;
    uint32_t ms;

    if (waits == 1.0f || wait == 0) return wait;
    ms = (uint32_t)((float)(wait / 1000u) * waits);
    if (ms > UINT32_MAX / 1000u) ms = UINT32_MAX / 1000u;
    return 1000u * (ms ? ms : 1u);
}

uint32_t np_comfort_lasts(const np_game_room *room, uint32_t player, uint32_t action)
{
    uint16_t own = comfort_of(room, player, action)->lasts;
    return 1000u * (own ? own : room->comforts.ease[player].every.lasts);
}

uint32_t np_comfort_again(const np_game_room *room, uint32_t player, uint32_t action)
{
    uint16_t own = comfort_of(room, player, action)->again;
    return 1000u * (own ? own : room->comforts.ease[player].every.again);
}

bool np_comfort_has(const np_game_room *room, uint32_t player, uint32_t action, uint8_t flag)
{
    return ((comfort_of(room, player, action)->flags | room->comforts.ease[player].every.flags) &
            flag) != 0;
}

const np_shaping *np_comfort_shaping(const np_game_room *room, uint32_t player, uint32_t action)
{
    uint16_t shaping = comfort_of(room, player, action)->shaping;

    if (shaping == NP_NO_INDEX) shaping = room->comforts.ease[player].every.shaping;
    return shaping == NP_NO_INDEX ? NULL : &room->game.shapings[shaping];
}

/* --- reading -------------------------------------------------------------------------------- */

/* Reads a text of comfort into the reader's wish and shaping; false where it is wrong. */
static bool read_wish(const np_game_room *room, uint32_t action, const char *text, np_reader *in)
{
    static const nplug_action_def every = {"comfort", NPLUG_ACTION_BUTTON, "", 0};

    memset(in, 0, sizeof *in);
    in->out = room->out;
    in->action = action == NP_EVERY ? &every : np_game_action(&room->game, action);
    in->wanted = NP_TEXT_COMFORT | (action == NP_EVERY ? NP_TEXT_OF_ALL : 0u);
    in->text = in->at = text;
    in->end = text + strlen(text);
    in->shaping = np_shaping_none();
    in->wish.waits = in->wish.rumble = 1.0f;
    for (np_reader_skip_blanks(in); in->at < in->end; np_reader_skip_blanks(in))
        if (!np_option_read(in)) return false;
    if (in->wish.toggle > 0.0f && in->action->kind != NPLUG_ACTION_BUTTON)
        return np_reader_fail_here(in, "toggle is for buttons: other actions have values");
    if (in->action->kind == NPLUG_ACTION_LEVEL && !np_shaping_suits_level(&in->shaping))
        return np_reader_fail_here(in, "a level has one number: invert=x turns it");
    return true;
}

void np_comfort_swap(np_comforts *comforts, uint32_t actions, uint32_t a, uint32_t b)
{
    np_comfort *of_a = &comforts->list[(size_t)a * comforts->action_limit];
    np_comfort *of_b = &comforts->list[(size_t)b * comforts->action_limit];
    np_ease ease = comforts->ease[a];

    comforts->ease[a] = comforts->ease[b];
    comforts->ease[b] = ease;
    for (uint32_t i = 0; i < actions; i++) {
        np_comfort one = of_a[i];
        of_a[i] = of_b[i];
        of_b[i] = one;
    }
}

/* --- taking --------------------------------------------------------------------------------- */

static uint8_t flags_of(const np_wish *wish)
{
    return (uint8_t)((wish->toggle > 0.0f ? NP_COMFORT_TOGGLE : 0) |
                     (wish->sticky > 0.0f ? NP_COMFORT_STICKY : 0) |
                     (wish->swap_sticks > 0.0f ? NP_COMFORT_SWAP_STICKS : 0) |
                     (wish->swap_confirm > 0.0f ? NP_COMFORT_SWAP_CONFIRM : 0));
}

static void set_place(np_comfort *place, const np_wish *wish)
{
    place->flags = flags_of(wish);
    place->lasts = (uint16_t)wish->lasts;
    place->again = (uint16_t)wish->again;
}

np_comfort_news np_comfort_take(np_game_room *room, uint32_t player, uint32_t action,
                                const char *text, nplug_time time)
{
    np_ease *ease = &room->comforts.ease[player];
    np_comfort *place = &ease->every, was;
    np_reader in;

    if (action != NP_EVERY)
        place = &room->comforts.list[(size_t)player * room->comforts.action_limit + action];
    if (!read_wish(room, action, text, &in)) return NP_COMFORT_AS_IT_WAS;
    was = *place;
    if (!np_rebind_has_room(&room->rebinds, player | NP_OF_COMFORT, action, text) ||
        !np_game_keep_shaping(&room->game, &in.shaping, &place->shaping)) {
        np_out_limit(room->out, NPLUG_LIMIT_BINDINGS, time);
        return NP_COMFORT_AS_IT_WAS;
    }
    np_rebind_keep(&room->rebinds, player | NP_OF_COMFORT, action, *text ? text : NULL);
    ease->used = true;
    set_place(place, &in.wish);
    if (action == NP_EVERY) {
        ease->waits = in.wish.waits;
        ease->rumble = in.wish.rumble;
    }
    return (was.flags ^ place->flags) & NP_COMFORT_SWAPS ? NP_COMFORT_SWAPPED : NP_COMFORT_OTHER;
}

nplug_result np_comfort_check(const np_game_room *room, uint32_t action, const char *text)
{
    np_reader in;
    return read_wish(room, action, text, &in) ? NPLUG_OK : in.result;
}
