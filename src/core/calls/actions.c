/* What the game may ask about its actions.
 *
 * Owns nothing.  Comes in: a player and an action.  Goes out: states, values, names; a line in the
 * log for what is not there. */
#include "core/calls/calls.h"
#include <string.h>

/* Whether player and action are there; the log names the first that is not. */
static bool is_asked_well(nplug_nest *nest, nplug_player player, uint32_t action)
{
    if (!nest) return false;
    if (!nest->game.game.used || action >= nest->game.game.def.action_count) {
        np_out_once(&nest->out, NP_ONCE_ACTION,
                    "asked for an action that the game does not have: number", action);
        return false;
    }
    if (player > nest->limits.players) {
        np_out_once(&nest->out, NP_ONCE_PLAYER,
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

/* NPLUG_ANYONE is player 0 (nobody's devices) and all others. */
static uint32_t last_of(const nplug_nest *nest, nplug_player player)
{
    return player == NPLUG_ANYONE ? nest->limits.players : player;
}

nplug_result nplug_action_info(nplug_nest *nest, nplug_player player, uint32_t action,
                               nplug_action_facts *state)
{
    bool adds;

    if (!state) return NPLUG_ERR_ARGUMENT;
    memset(state, 0, sizeof *state);
    if (!is_asked_well(nest, player, action)) return NPLUG_ERR_UNKNOWN;
    adds = adds_up(nest, action);
    for (uint32_t p = player; p <= last_of(nest, player); p++) {
        add_player(state, np_action_of(&nest->action.actions, p, action), adds);
        add_hold(state, np_action_of(&nest->action.actions, p, action), adds, nest->feed.processed);
    }
    return NPLUG_OK;
}

bool nplug_held(nplug_nest *nest, nplug_player player, uint32_t action)
{
    bool held = false;

    if (!is_asked_well(nest, player, action)) return false;
    for (uint32_t p = player; p <= last_of(nest, player); p++)
        held |= is_held(np_action_of(&nest->action.actions, p, action), adds_up(nest, action));
    return held;
}

/* Edges of the last step, over one player or all. */
static uint32_t edges(nplug_nest *nest, nplug_player player, uint32_t action, bool presses)
{
    uint32_t count = 0;

    if (!is_asked_well(nest, player, action)) return 0;
    for (uint32_t p = player; p <= last_of(nest, player); p++) {
        const np_action *state = np_action_of(&nest->action.actions, p, action);
        if (state->step == (uint32_t)nest->action.step)
            count += presses ? state->presses_in : state->releases_in;
    }
    return count;
}

uint32_t nplug_presses(nplug_nest *nest, nplug_player player, uint32_t action)
{
    return edges(nest, player, action, true);
}

uint32_t nplug_releases(nplug_nest *nest, nplug_player player, uint32_t action)
{
    return edges(nest, player, action, false);
}

bool nplug_use_press(nplug_nest *nest, nplug_player player, uint32_t action, uint32_t ms)
{
    if (!is_asked_well(nest, player, action)) return false;
    for (uint32_t p = player; p <= last_of(nest, player); p++) {
        np_action *state = np_action_of(&nest->action.actions, p, action);
        if (state->presses == 0 || state->used) continue;
        if (nest->feed.processed - state->press_time > (nplug_time)ms * 1000u) continue;
        np_actions_use(state);
        return true;
    }
    return false;
}

nplug_vec2 nplug_vector(nplug_nest *nest, nplug_player player, uint32_t action)
{
    nplug_vec2 sum = {0.0f, 0.0f};

    if (!is_asked_well(nest, player, action)) return sum;
    for (uint32_t p = player; p <= last_of(nest, player); p++)
        add_value(&sum, np_action_of(&nest->action.actions, p, action)->value,
                  adds_up(nest, action));
    return sum;
}

nplug_vec2 nplug_motion(nplug_nest *nest, nplug_player player, uint32_t action)
{
    return nplug_vector(nest, player, action);
}

float nplug_level(nplug_nest *nest, nplug_player player, uint32_t action)
{
    return nplug_vector(nest, player, action).x;
}

const char *nplug_action_name(const nplug_nest *nest, uint32_t action)
{
    if (!nest || !nest->game.game.used || action >= nest->game.game.def.action_count) return NULL;
    return np_game_action(&nest->game.game, action)->name;
}

nplug_action_kind nplug_action_kind_of(const nplug_nest *nest, uint32_t action)
{
    if (!nplug_action_name(nest, action)) return NPLUG_ACTION_BUTTON;
    return np_game_kind(&nest->game.game, action);
}

static void log_unknown_name(nplug_nest *nest, const char *name)
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

int nplug_action_number(nplug_nest *nest, const char *name)
{
    if (!nest || !name || !nest->game.game.used) return -1;
    for (uint32_t i = 0; i < nest->game.game.def.action_count; i++)
        if (strcmp(np_game_action(&nest->game.game, i)->name, name) == 0) return (int)i;
    if (np_out_is_new(&nest->out, NP_ONCE_NAME)) log_unknown_name(nest, name);
    return -1;
}

/* --- layers and rules ----------------------------------------------------------------------- */

const char *nplug_layer_name(const nplug_nest *nest, uint32_t layer)
{
    if (!nest || !nest->game.game.used || layer >= nest->game.game.def.layer_count) return NULL;
    return nest->game.game.def.layers[layer].name;
}

uint32_t nplug_action_layer(const nplug_nest *nest, uint32_t action)
{
    return nplug_action_name(nest, action) ? np_game_action(&nest->game.game, action)->layer : 0;
}

int32_t nplug_layer_priority(const nplug_nest *nest, uint32_t layer)
{
    return nplug_layer_name(nest, layer) ? nest->game.game.def.layers[layer].priority : 0;
}

bool nplug_layer_on(const nplug_nest *nest, nplug_player player, uint32_t layer)
{
    return nest && player <= nest->limits.players && layer < NP_LAYERS &&
           np_layers_on(&nest->action.layers, player, layer);
}

const nplug_action_policy *nplug_action_rule_of(const nplug_nest *nest, uint32_t action)
{
    if (!nplug_action_name(nest, action) || nest->game.game.rules[action].number == 0) return NULL;
    return &nest->game.game.def.policies[nest->game.game.rules[action].number - 1];
}
