#include "comfort.h"
#include "binding_text.h"
#include "nest.h"
#include <string.h>

#define EVERY 0xffffu /* in place of an action's number */

static np_comfort nothing(void)
{
    np_comfort none = {0, 0, NP_NO_INDEX, 0};
    return none;
}

void np_comfort_layout(np_comforts *comforts, np_carve *carve, const nplug_limits *limits)
{
    size_t players = limits->players + 1u;

    comforts->list =
        (np_comfort *)np_carve_take(carve, players * limits->actions, sizeof(np_comfort));
    comforts->ease = (np_ease *)np_carve_take(carve, players, sizeof(np_ease));
    comforts->action_limit = limits->actions;
    for (size_t i = 0; carve->base && i < players * limits->actions; i++)
        comforts->list[i] = nothing();
    for (size_t i = 0; carve->base && i < players; i++) {
        comforts->ease[i].waits = comforts->ease[i].rumble = 1.0f;
        comforts->ease[i].every = nothing();
    }
}

/* --- what holds ----------------------------------------------------------------------------- */

static const np_comfort *comfort_of(const nplug_nest *nest, uint32_t player, uint32_t action)
{
    return &nest->comforts.list[(size_t)player * nest->comforts.action_limit + action];
}

uint32_t np_comfort_wait(const nplug_nest *nest, uint32_t player, uint32_t wait)
{
    float waits = nest->comforts.ease[player].waits;
    uint32_t ms;

    if (waits == 1.0f || wait == 0) return wait;
    ms = (uint32_t)((float)(wait / 1000u) * waits);
    if (ms > UINT32_MAX / 1000u) ms = UINT32_MAX / 1000u;
    return 1000u * (ms ? ms : 1u);
}

uint32_t np_comfort_lasts(const nplug_nest *nest, uint32_t player, uint32_t action)
{
    uint16_t own = comfort_of(nest, player, action)->lasts;
    return 1000u * (own ? own : nest->comforts.ease[player].every.lasts);
}

uint32_t np_comfort_again(const nplug_nest *nest, uint32_t player, uint32_t action)
{
    uint16_t own = comfort_of(nest, player, action)->again;
    return 1000u * (own ? own : nest->comforts.ease[player].every.again);
}

bool np_comfort_has(const nplug_nest *nest, uint32_t player, uint32_t action, uint8_t flag)
{
    return ((comfort_of(nest, player, action)->flags | nest->comforts.ease[player].every.flags) &
            flag) != 0;
}

const np_shaping *np_comfort_shaping(const nplug_nest *nest, uint32_t player, uint32_t action)
{
    uint16_t shaping = comfort_of(nest, player, action)->shaping;

    if (shaping == NP_NO_INDEX) shaping = nest->comforts.ease[player].every.shaping;
    return shaping == NP_NO_INDEX ? NULL : &nest->game.shapings[shaping];
}

float np_comfort_rumble(const nplug_nest *nest, uint32_t device)
{
    uint32_t hearers = np_players_of(&nest->players, device);
    float rumble = 1.0f;

    for (; hearers; hearers = np_bits_rest(hearers)) {
        float wanted = nest->comforts.ease[np_bits_lowest(hearers)].rumble;
        if (wanted < rumble) rumble = wanted;
    }
    return rumble;
}

/* --- reading -------------------------------------------------------------------------------- */

/* Reads a text of comfort into the reader's wish and shaping; false where it is wrong. */
static bool read_wish(nplug_nest *nest, uint32_t action, const char *text, np_reader *in)
{
    static const nplug_action_def every = {"comfort", NPLUG_BUTTON, "", 0};

    memset(in, 0, sizeof *in);
    in->nest = nest;
    in->action = action == EVERY ? &every : np_game_action(&nest->game, action);
    in->wanted = NP_TEXT_COMFORT | (action == EVERY ? NP_TEXT_OF_ALL : 0u);
    in->text = in->at = text;
    in->end = text + strlen(text);
    in->shaping = np_shaping_none();
    in->wish.waits = in->wish.rumble = 1.0f;
    for (np_reader_skip_blanks(in); in->at < in->end; np_reader_skip_blanks(in))
        if (!np_option_read(in)) return false;
    if (in->wish.toggle > 0.0f && in->action->kind != NPLUG_BUTTON)
        return np_reader_fail(in, "toggle is for buttons: other actions have values", NULL, 0);
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

/* Bindings of pads are read anew. */
static void swap_controls(nplug_nest *nest, uint32_t player, nplug_time time)
{
    for (uint32_t a = 0; a < nest->game.def.action_count; a++)
        if (strstr(nplug_bindings_of(nest, player, a), "pad:"))
            np_rebind_again(nest, player, a, time);
}

/* Nothing goes on that was begun otherwise. */
static void let_go(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    np_change change = {time, NP_NONE, 0, 0, true};

    for (uint32_t b = 0; b < nest->game.binding_count; b++) {
        const np_binding *binding = &nest->game.bindings[b];
        if (binding->action != NP_NO_INDEX && (action == EVERY || binding->action == action))
            np_gestures_drop(nest, player, b, &change);
    }
    for (uint32_t a = 0; a < nest->game.def.action_count; a++)
        if (action == EVERY || action == a) np_values_mark(nest, player, a);
}

static uint8_t flags_of(const np_wish *wish)
{
    return (uint8_t)((wish->toggle > 0.0f ? NP_COMFORT_TOGGLE : 0) |
                     (wish->sticky > 0.0f ? NP_COMFORT_STICKY : 0) |
                     (wish->swap_sticks > 0.0f ? NP_COMFORT_SWAP_STICKS : 0) |
                     (wish->swap_confirm > 0.0f ? NP_COMFORT_SWAP_CONFIRM : 0));
}

void np_comfort_take(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t player = command->player, action = command->number & EVERY;
    np_ease *ease = &nest->comforts.ease[player];
    np_comfort *place = &ease->every, was;
    const char *text = np_rebind_take_text(nest);
    np_reader in;

    if (action != EVERY && action >= nest->game.def.action_count) return;
    if (action != EVERY)
        place = &nest->comforts.list[(size_t)player * nest->comforts.action_limit + action];
    if (!read_wish(nest, action, text, &in)) return;
    was = *place;
    if (!np_rebind_has_room(nest, player, action, text) ||
        !np_game_keep_shaping(&nest->game, &in.shaping, &place->shaping)) {
        np_limit_reached(nest, NPLUG_LIMIT_BINDINGS, time);
        return;
    }
    np_rebind_keep_comfort(nest, player, action, text);
    ease->used = true;
    place->flags = flags_of(&in.wish);
    place->lasts = (uint16_t)in.wish.lasts;
    place->again = (uint16_t)in.wish.again;
    if (action == EVERY) {
        ease->waits = in.wish.waits;
        ease->rumble = in.wish.rumble;
    }
    let_go(nest, player, action, time);
    if ((was.flags ^ place->flags) & NP_COMFORT_SWAPS) swap_controls(nest, player, time);
}

/* --- calls ---------------------------------------------------------------------------------- */

nplug_result nplug_set_comfort(nplug_nest *nest, nplug_player player, uint32_t action,
                               const char *text)
{
    uint32_t number = action == NPLUG_EVERY_ACTION ? EVERY : action;
    nplug_command command = {0};
    np_reader in;

    if (!nest || !text || !nest->game.used || player == 0) return NPLUG_ERR_ARGUMENT;
    if (player > nest->players.limit) return NPLUG_ERR_ARGUMENT;
    if (number != EVERY && number >= nest->game.def.action_count) return NPLUG_ERR_UNKNOWN;
    if (strlen(text) >= NPLUG_BINDINGS_SIZE) return NPLUG_ERR_SIZE;
    if (!read_wish(nest, number, text, &in)) return in.result;
    command.kind = NPLUG_COMMAND_COMFORT;
    command.player = player;
    command.number = number;
    return np_commands_put_text(nest, text, &command);
}

const char *nplug_comfort_of(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    if (!nest || player > nest->limits.players) return "";
    return np_rebind_comfort(nest, player, action == NPLUG_EVERY_ACTION ? EVERY : action & 0xffffu);
}
