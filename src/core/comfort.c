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
    return waits == 1.0f ? wait : (uint32_t)((float)(wait / 1000u) * waits) * 1000u;
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
    uint32_t hearers = np_players_hearing(&nest->players, device);
    float rumble = 1.0f;

    for (uint32_t p = 1; hearers >> p; p++)
        if ((hearers >> p) & 1u && nest->comforts.ease[p].rumble < rumble)
            rumble = nest->comforts.ease[p].rumble;
    return rumble;
}

/* --- reading -------------------------------------------------------------------------------- */

/* What a text says, before anything is changed. */
typedef struct np_wish {
    np_comfort comfort;
    np_shaping shaping;
    float waits, rumble;
} np_wish;

static bool takes_word(np_reader *in, const char *word)
{
    size_t length = strlen(word);

    if ((size_t)(in->end - in->at) < length || memcmp(in->at, word, length) != 0) return false;
    if (in->at + length < in->end && in->at[length] != ' ' && word[length - 1] != '=') return false;
    in->at += length;
    return true;
}

static bool takes_number(np_reader *in, const char *word, float most, float *number)
{
    const char *begin = in->at;

    if (!takes_word(in, word)) return false;
    if (np_number_read(in, number) && *number <= most && (in->at == in->end || *in->at == ' '))
        return true;
    in->at = begin;
    return np_reader_fail(
        in, most > 10.0f ? "0 to 10000 milliseconds are expected" : "0 to 10 is expected", NULL, 0);
}

/* One word; of those for all actions only where `every`. */
static bool read_one(np_reader *in, np_wish *wish, bool every)
{
    float number;

    if (takes_word(in, "toggle"))
        wish->comfort.flags |= NP_COMFORT_TOGGLE;
    else if (takes_number(in, "lasts=", 10000.0f, &number))
        wish->comfort.lasts = (uint16_t)number;
    else if (in->result == NPLUG_OK && takes_number(in, "again=", 10000.0f, &number))
        wish->comfort.again = (uint16_t)number;
    else if (in->result == NPLUG_OK && every && takes_word(in, "sticky"))
        wish->comfort.flags |= NP_COMFORT_STICKY;
    else if (in->result == NPLUG_OK && every && takes_word(in, "swap-sticks"))
        wish->comfort.flags |= NP_COMFORT_SWAP;
    else if (in->result == NPLUG_OK && every && takes_number(in, "waits=", 10.0f, &number))
        wish->waits = number;
    else if (in->result == NPLUG_OK && every && takes_number(in, "rumble=", 10.0f, &number))
        wish->rumble = number > 1.0f ? 1.0f : number;
    else if (in->result == NPLUG_OK)
        return np_option_read(in);
    return in->result == NPLUG_OK;
}

/* Of a binding's options, those that shape are of use here. */
static bool shapes_only(const np_reader *in)
{
    const np_filter any = {0};

    return in->binding.gesture == NPLUG_GESTURE_PRESS && !in->binding.observes &&
           memcmp(&in->filter, &any, sizeof any) == 0 && in->shaping.rise <= 0.0f &&
           in->shaping.fall <= 0.0f && in->shaping.press <= 0.0f && in->shaping.release <= 0.0f;
}

static bool read_wish(np_reader *in, const char *text, np_wish *wish, bool every)
{
    memset(wish, 0, sizeof *wish);
    wish->comfort = nothing();
    wish->waits = wish->rumble = 1.0f;
    in->text = in->at = text;
    in->end = text + strlen(text);
    in->shaping = np_shaping_none();
    for (;;) {
        while (in->at < in->end && *in->at == ' ')
            in->at++;
        if (in->at == in->end) break;
        if (!read_one(in, wish, every)) return false;
    }
    wish->shaping = in->shaping;
    if (shapes_only(in)) return true;
    in->at = text;
    return np_reader_fail(in, "toggle, lasts=, again= and what shapes a value are comfort", NULL,
                          0);
}

static np_reader reader_of(nplug_nest *nest, uint32_t action, nplug_action_def *every)
{
    np_reader in;

    memset(&in, 0, sizeof in);
    memset(every, 0, sizeof *every);
    every->name = "comfort";
    in.nest = nest;
    in.action = action == EVERY ? every : np_game_action(&nest->game, action);
    return in;
}

/* --- taking --------------------------------------------------------------------------------- */

/* Bindings with sticks are read anew. */
static void swap_sticks(nplug_nest *nest, uint32_t player, nplug_time time)
{
    for (uint32_t a = 0; a < nest->game.def.action_count; a++)
        if (strstr(nplug_bindings_of(nest, player, a), "pad:stick-"))
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

void np_comfort_take(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t player = command->player, action = command->number & EVERY;
    np_ease *ease = &nest->comforts.ease[player];
    np_comfort *place = action == EVERY ? &ease->every : NULL;
    nplug_action_def every;
    const char *text = np_rebind_take_text(nest);
    np_wish wish;
    np_reader in;
    bool swaps;

    if (action != EVERY && action >= nest->game.def.action_count) return;
    if (!place) place = &nest->comforts.list[(size_t)player * nest->comforts.action_limit + action];
    in = reader_of(nest, action, &every);
    if (!read_wish(&in, text, &wish, action == EVERY)) return;
    if (!np_rebind_keep_comfort(nest, player, action, text)) {
        np_limit_reached(nest, NPLUG_LIMIT_BINDINGS, time);
        return;
    }
    wish.comfort.shaping = np_game_keep_shaping(&nest->game, &wish.shaping, place->shaping);
    swaps = ((place->flags ^ wish.comfort.flags) & NP_COMFORT_SWAP) != 0;
    *place = wish.comfort;
    if (action == EVERY) {
        ease->waits = wish.waits;
        ease->rumble = wish.rumble;
    }
    let_go(nest, player, action, time);
    if (swaps) swap_sticks(nest, player, time);
}

/* --- calls ---------------------------------------------------------------------------------- */

nplug_result nplug_set_comfort(nplug_nest *nest, nplug_player player, uint32_t action,
                               const char *text)
{
    uint32_t number = action == NPLUG_EVERY_ACTION ? EVERY : action;
    nplug_command command = {0};
    nplug_action_def every;
    np_wish wish;
    np_reader in;

    if (!nest || !text || !nest->game.used || player == 0) return NPLUG_ERR_ARGUMENT;
    if (player > nest->players.limit) return NPLUG_ERR_ARGUMENT;
    if (number != EVERY && number >= nest->game.def.action_count) return NPLUG_ERR_UNKNOWN;
    if (strlen(text) >= NPLUG_BINDINGS_SIZE) return NPLUG_ERR_SIZE;
    in = reader_of(nest, number, &every);
    if (!read_wish(&in, text, &wish, number == EVERY)) return in.result;
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
