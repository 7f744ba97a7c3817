/* What the game may ask about its actions.
 *
 * Owns nothing.  Comes in: a player and an action.  Goes out: states, values, names; a line in the
 * log for what is not there. */
#include "core/calls/calls.h"
#include <string.h>

/* Whether player and action are there; the log names the first that is not. */
static bool is_asked_well(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    if (!nest) return false;
    if (!nest->game.game.used || action >= nest->game.game.def.action_count) {
        np_out_once(nest->action.out, NP_ONCE_ACTION,
                    "asked for an action that the game does not have: number", action);
        return false;
    }
    if (player > nest->limits.players && player != NPLUG_EVERYONE) {
        np_out_once(nest->action.out, NP_ONCE_PLAYER,
                    "asked for a player that there is no room for: number", player);
        return false;
    }
    return true;
}

static float length_squared(nplug_vec2 v)
{
    return v.x * v.x + v.y * v.y;
}

/* Of a motion only what is pressed holds it: its value is how far it moved. */
static bool is_held(const np_action *one, bool adds)
{
    return one->held || (!adds && length_squared(one->value) >= NP_PRESS * NP_PRESS);
}

static void add_hold(nplug_action_facts *sum, const np_action *one, bool adds, nplug_time now)
{
    sum->held |= is_held(one, adds);
    if (one->held && now - one->press_time > sum->held_for) sum->held_for = now - one->press_time;
}

/* Motions add; of all else the one that is furthest from rest counts. */
static void add_value(nplug_vec2 *sum, nplug_vec2 value, bool adds)
{
    if (adds) {
        sum->x += value.x;
        sum->y += value.y;
    } else if (length_squared(value) > length_squared(*sum)) {
        *sum = value;
    }
}

static void add_player(nplug_action_facts *sum, const np_action *one, bool adds)
{
    sum->press_count += one->presses;
    sum->release_count += np_action_releases(one);
    if (one->press_time > sum->press_time) sum->press_time = one->press_time;
    if (one->release_time > sum->release_time) sum->release_time = one->release_time;
    add_value(&sum->value, one->value, adds);
}

static bool adds_up(const nplug_nest *nest, uint32_t action)
{
    return np_game_kind(&nest->game.game, action) == NPLUG_ACTION_MOTION;
}

/* NPLUG_EVERYONE is player 0 (nobody's devices) and all others. */
static uint32_t first_of(nplug_player player)
{
    return player == NPLUG_EVERYONE ? 0 : player;
}

static uint32_t last_of(const nplug_nest *nest, nplug_player player)
{
    return player == NPLUG_EVERYONE ? nest->limits.players : player;
}

static void add_rules(const nplug_nest *nest, uint32_t action, nplug_action_facts *facts)
{
    const np_game *game = &nest->game.game;
    uint32_t number = game->rules[action].number;

    facts->kind = (uint32_t)np_game_kind(game, action);
    facts->name = np_game_action(game, action)->name;
    facts->layer = np_game_action(game, action)->layer;
    facts->policy = number ? np_policy_row(&game->def, number - 1) : NULL;
}

nplug_result nplug_action_info(const nplug_nest *nest, nplug_player player, uint32_t action,
                               nplug_action_facts *facts)
{
    nplug_action_facts sum = {0};
    bool known, adds;
    nplug_result result;

    if (!nest || !facts) return NPLUG_ERR_ARGUMENT;
    known = is_asked_well(nest, player, action);
    adds = known && adds_up(nest, action);
    if (known) add_rules(nest, action, &sum);
    sum.rebound = known && nplug_is_rebound(nest, player, action);
    for (uint32_t p = first_of(player); known && p <= last_of(nest, player); p++) {
        add_player(&sum, np_action_of(&nest->action.actions, p, action), adds);
        add_hold(&sum, np_action_of(&nest->action.actions, p, action), adds, nest->feed.processed);
    }
    result = np_size_give(facts, NP_FIRST(nplug_action_facts, reserved), &sum, sizeof sum);
    return result == NPLUG_OK && !known ? NPLUG_ERR_UNKNOWN : result;
}

bool nplug_held(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    bool held = false;

    if (!is_asked_well(nest, player, action)) return false;
    for (uint32_t p = first_of(player); p <= last_of(nest, player); p++)
        held |= is_held(np_action_of(&nest->action.actions, p, action), adds_up(nest, action));
    return held;
}

/* Edges of the last step, over one player or all. */
static uint32_t edges(const nplug_nest *nest, nplug_player player, uint32_t action, bool presses)
{
    uint32_t count = 0;

    if (!is_asked_well(nest, player, action)) return 0;
    for (uint32_t p = first_of(player); p <= last_of(nest, player); p++) {
        const np_action *state = np_action_of(&nest->action.actions, p, action);
        if (state->step == (uint32_t)nest->action.step)
            count += presses ? state->presses_in : state->releases_in;
    }
    return count;
}

uint32_t nplug_presses(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    return edges(nest, player, action, true);
}

uint32_t nplug_releases(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    return edges(nest, player, action, false);
}

bool nplug_use_press(nplug_nest *nest, nplug_player player, uint32_t action, uint32_t ms)
{
    if (!is_asked_well(nest, player, action)) return false;
    for (uint32_t p = first_of(player); p <= last_of(nest, player); p++) {
        np_action *state = np_action_of(&nest->action.actions, p, action);
        if (state->presses == 0 || state->used) continue;
        if (nest->feed.processed - state->press_time > (nplug_time)ms * 1000u) continue;
        np_actions_use(state);
        return true;
    }
    return false;
}

nplug_vec2 nplug_vector(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    nplug_vec2 sum = {0.0f, 0.0f};

    if (!is_asked_well(nest, player, action)) return sum;
    for (uint32_t p = first_of(player); p <= last_of(nest, player); p++)
        add_value(&sum, np_action_of(&nest->action.actions, p, action)->value,
                  adds_up(nest, action));
    return sum;
}

nplug_vec2 nplug_motion(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    return nplug_vector(nest, player, action);
}

float nplug_level(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    return nplug_vector(nest, player, action).x;
}

const char *nplug_action_name(const nplug_nest *nest, uint32_t action)
{
    if (!nest || !nest->game.game.used || action >= nest->game.game.def.action_count) return NULL;
    return np_game_action(&nest->game.game, action)->name;
}

uint32_t nplug_action_count(const nplug_nest *nest)
{
    return nest && nest->game.game.used ? nest->game.game.def.action_count : 0;
}

static void log_unknown_name(const nplug_nest *nest, const char *name)
{
    char line[200];
    np_text text = np_text_in(line, sizeof line);
    const char *near = NULL;
    unsigned best = 4;

    for (uint32_t i = 0; i < nest->game.game.def.action_count; i++) {
        const char *known = np_game_action(&nest->game.game, i)->name;
        unsigned far = np_text_distance(name, strlen(name), known, strlen(known), best);
        if (far >= best) continue;
        best = far;
        near = known;
    }
    np_text_add(&text, "the game has no action \"");
    np_text_add(&text, name);
    np_text_add(&text, near ? "\"; did you mean \"" : "\"");
    if (near) {
        np_text_add(&text, near);
        np_text_add(&text, "\"?");
    }
    np_out_line(&nest->out, line);
}

uint32_t nplug_action_number(const nplug_nest *nest, const char *name)
{
    if (!nest || !name || !nest->game.game.used) return NPLUG_NO_ACTION;
    for (uint32_t i = 0; i < nest->game.game.def.action_count; i++)
        if (strcmp(np_game_action(&nest->game.game, i)->name, name) == 0) return i;
    if (np_out_is_new(nest->action.out, NP_ONCE_NAME)) log_unknown_name(nest, name);
    return NPLUG_NO_ACTION;
}

/* --- layers --------------------------------------------------------------------------------- */

uint32_t nplug_layer_count(const nplug_nest *nest)
{
    return nest && nest->game.game.used ? nest->game.game.def.layer_count : 0;
}

const char *nplug_layer_name(const nplug_nest *nest, uint32_t layer)
{
    return layer < nplug_layer_count(nest) ? np_layer_row(&nest->game.game.def, layer)->name : NULL;
}

int32_t nplug_layer_priority(const nplug_nest *nest, uint32_t layer)
{
    return layer < nplug_layer_count(nest) ? np_layer_row(&nest->game.game.def, layer)->priority
                                           : 0;
}

bool nplug_layer_on(const nplug_nest *nest, nplug_player player, uint32_t layer)
{
    bool on =
        nest && layer < NP_LAYERS && (player == NPLUG_EVERYONE || player <= nest->limits.players);

    for (uint32_t p = first_of(player); on && p <= last_of(nest, player); p++)
        on = np_layers_on(&nest->action.layers, p, layer);
    return on;
}
