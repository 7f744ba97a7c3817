#include "actions.h"
#include "nest.h"
#include <math.h>
#include <string.h>

#define RAMP_SOURCES 4u

void np_actions_layout(np_actions *actions, np_carve *carve, const nplug_limits *limits)
{
    size_t players = limits->players + 1u;

    actions->list = (np_action *)np_carve_take(carve, players * limits->actions, sizeof(np_action));
    actions->armed = (uint8_t *)np_carve_take(carve, players * limits->bindings, 1);
    actions->layers = (uint32_t *)np_carve_take(carve, players, sizeof(uint32_t));
    actions->dirty = (uint32_t *)np_carve_take(carve, players * limits->actions, sizeof(uint32_t));
    actions->ramps =
        (np_ramp *)np_carve_take(carve, players * limits->ramps * RAMP_SOURCES, sizeof(np_ramp));
    actions->ramp_limit = limits->ramps;
    actions->action_limit = limits->actions;
    actions->binding_limit = limits->bindings;
    for (size_t i = 0; carve->base && i < players; i++)
        actions->layers[i] = 1;
}

/* --- edges ---------------------------------------------------------------------------------- */

static uint8_t *armed_of(np_actions *actions, uint32_t player, uint32_t binding)
{
    return &actions->armed[(size_t)player * actions->binding_limit + binding];
}

static bool layer_is_on(const nplug_nest *nest, uint32_t player, uint32_t action)
{
    return (nest->actions.layers[player] >> np_game_action(&nest->game, action)->layer) & 1u;
}

bool np_actions_allow(const nplug_nest *nest, uint32_t player, uint32_t binding)
{
    return layer_is_on(nest, player, nest->game.bindings[binding].action);
}

/* Counts in a step that has no counts yet start at 0: so nothing needs to be swept at its head. */
static void open_step(np_action *state, uint64_t step)
{
    if (state->step == step) return;
    state->step = step;
    state->presses_in = state->releases_in = 0;
}

static void say_edge(nplug_nest *nest, uint32_t player, uint32_t action, const np_change *change,
                     bool pressed)
{
    const np_action *state = np_action_of(&nest->actions, player, action);
    nplug_event event = np_event(change->time, pressed ? NPLUG_EVENT_PRESS : NPLUG_EVENT_RELEASE,
                                 change->device, player);

    event.action = action;
    event.control = change->id;
    event.count = pressed ? state->presses : state->releases;
    event.value.x = pressed ? 1.0f : 0.0f;
    if (change->cancelled) event.flags = NPLUG_EVENT_CANCELLED;
    np_events_add(&nest->events, &event);
}

static void mark(np_actions *actions, uint32_t player, uint32_t action)
{
    np_action *state = np_action_of(actions, player, action);

    if (state->dirty) return;
    state->dirty = 1;
    actions->dirty[actions->dirty_count++] =
        (uint32_t)((size_t)player * actions->action_limit + action);
}

void np_actions_press(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change)
{
    uint32_t action = nest->game.bindings[binding].action;
    np_action *state = np_action_of(&nest->actions, player, action);

    if (np_game_action(&nest->game, action)->kind != NPLUG_BUTTON) return;
    if (!layer_is_on(nest, player, action)) return;
    *armed_of(&nest->actions, player, binding) = 1;
    if (state->held++) return;
    open_step(state, nest->step);
    state->presses++;
    state->presses_in++;
    state->press_time = change->time;
    mark(&nest->actions, player, action);
    say_edge(nest, player, action, change, true);
}

void np_actions_release(nplug_nest *nest, uint32_t player, uint32_t binding,
                        const np_change *change)
{
    uint32_t action = nest->game.bindings[binding].action;
    np_action *state = np_action_of(&nest->actions, player, action);
    uint8_t *armed = armed_of(&nest->actions, player, binding);

    if (!*armed) return;
    *armed = 0;
    if (--state->held) return;
    open_step(state, nest->step);
    state->releases++;
    state->releases_in++;
    state->release_time = change->time;
    mark(&nest->actions, player, action);
    say_edge(nest, player, action, change, false);
}

/* --- layers --------------------------------------------------------------------------------- */

static void drop_layer(nplug_nest *nest, uint32_t player, uint32_t layer, nplug_time time)
{
    np_change change = {time, NP_NONE, 0, 0, true};

    for (uint32_t b = 0; b < nest->game.binding_count; b++) {
        if (np_game_action(&nest->game, nest->game.bindings[b].action)->layer != layer) continue;
        np_sources_forget_hold(nest, player, b);
        np_actions_release(nest, player, b, &change);
    }
}

static void mark_layer(nplug_nest *nest, uint32_t player, uint32_t layer)
{
    for (uint32_t a = 0; a < nest->game.def.action_count; a++)
        if (np_game_action(&nest->game, a)->layer == layer) mark(&nest->actions, player, a);
}

void np_actions_layer(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t bit = 1u << command->number;

    for (uint32_t player = 0; player <= nest->limits.players; player++) {
        bool was = (nest->actions.layers[player] & bit) != 0;
        if (command->player != NPLUG_ANYONE && command->player != player) continue;
        if (was == (command->on != 0)) continue;
        if (was) drop_layer(nest, player, command->number, time);
        nest->actions.layers[player] ^= bit;
        mark_layer(nest, player, command->number);
    }
}

/* --- values --------------------------------------------------------------------------------- */

static void mark_for(nplug_nest *nest, uint32_t hearers, uint32_t action)
{
    if (np_game_action(&nest->game, action)->kind == NPLUG_BUTTON) return;
    for (uint32_t player = 0; hearers >> player; player++)
        if (hearers & (1u << player)) mark(&nest->actions, player, action);
}

void np_actions_mark(nplug_nest *nest, uint32_t control)
{
    uint16_t link = nest->sources.of_control[control];
    uint32_t hearers, at;

    if (link == NP_NO_INDEX) return;
    hearers = np_players_hearing(&nest->players, nest->controls.list[control].device);
    for (; link != NP_NO_INDEX; link = nest->sources.links[link].of_control) {
        at = nest->game.sources[nest->sources.links[link].source].first_use;
        for (; at != NP_NO_INDEX; at = nest->game.uses[at].next)
            mark_for(nest, hearers, nest->game.bindings[nest->game.uses[at].binding].action);
    }
}

void np_actions_mark_device(nplug_nest *nest, uint32_t device)
{
    np_run run = nest->controls.of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        np_actions_mark(nest, i);
}

static float strength(nplug_vec2 v)
{
    return v.x * v.x + v.y * v.y;
}

/* --- ramps ---------------------------------------------------------------------------------- */

static np_ramp *ramp_of(const np_actions *actions, uint32_t player, const np_binding *binding,
                        uint32_t source)
{
    size_t first = ((size_t)player * actions->ramp_limit + binding->ramp) * RAMP_SOURCES;
    return &actions->ramps[first + source];
}

/* What a source of a binding with a ramp has come to. */
static float ramp_value(const nplug_nest *nest, uint32_t player, const np_binding *binding,
                        uint32_t source, nplug_time time)
{
    const np_shaping *shaping = np_game_shaping(&nest->game, binding);
    const np_ramp *ramp = ramp_of(&nest->actions, player, binding, source);
    nplug_time span = time > ramp->since ? time - ramp->since : 0;

    if (np_sources_down(&nest->sources, player, binding->source[source]))
        return np_ramp_up(ramp->from, shaping->rise, span);
    return np_ramp_down(ramp->from, shaping->fall, span);
}

/* The source's machine says already where it goes now: what it was is the other way. */
void np_actions_turn_ramp(nplug_nest *nest, uint32_t player, uint32_t number, uint32_t source,
                          nplug_time time)
{
    const np_binding *binding = &nest->game.bindings[number];
    const np_shaping *shaping = np_game_shaping(&nest->game, binding);
    bool down = np_sources_down(&nest->sources, player, source);

    for (uint32_t i = 0; i < binding->source_count; i++) {
        np_ramp *ramp = ramp_of(&nest->actions, player, binding, i);
        nplug_time span = time > ramp->since ? time - ramp->since : 0;
        if (binding->source[i] != source) continue;
        ramp->from = down ? np_ramp_down(ramp->from, shaping->fall, span)
                          : np_ramp_up(ramp->from, shaping->rise, span);
        ramp->since = time;
    }
    mark(&nest->actions, player, binding->action);
}

/* Whether a ramp is still on its way: its action is looked at again at the next step. */
static bool is_under_way(float value, bool down)
{
    return down ? value < 1.0f : value > 0.0f;
}

/* One part of a binding's value: a source, or its ramp. */
static nplug_vec2 part_of(nplug_nest *nest, uint32_t player, const np_binding *binding,
                          uint32_t source, nplug_time time)
{
    const np_shaping *shaping =
        binding->shape == NP_SHAPE_ONE ? np_game_shaping(&nest->game, binding) : NULL;
    nplug_vec2 part = {0.0f, 0.0f};

    if (binding->ramp == NP_NO_INDEX)
        return np_sources_value(nest, player, binding->source[source], shaping);
    part.x = ramp_value(nest, player, binding, source, time);
    if (is_under_way(part.x, np_sources_down(&nest->sources, player, binding->source[source])))
        mark(&nest->actions, player, binding->action);
    if (shaping) part = np_shaped(shaping, part, 1, false);
    return part;
}

static nplug_vec2 value_of_binding(nplug_nest *nest, uint32_t player, const np_binding *binding,
                                   nplug_time time)
{
    const np_shaping *shaping = np_game_shaping(&nest->game, binding);
    nplug_vec2 part[4] = {{0.0f, 0.0f}}, value = {0.0f, 0.0f};

    for (uint32_t i = 0; i < binding->source_count; i++)
        part[i] = part_of(nest, player, binding, i, time);
    if (binding->shape == NP_SHAPE_ONE) return part[0];
    if (binding->shape == NP_SHAPE_PAIR) {
        value.x = part[1].x - part[0].x;
        return shaping ? np_shaped(shaping, value, 1, false) : value;
    }
    value.x = part[3].x - part[2].x;
    value.y = part[0].x - part[1].x;
    return shaping ? np_shaped(shaping, value, 2, true) : value;
}

/* Several bindings never add up: the strongest gives the value.  Motions always add. */
static nplug_vec2 value_of(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    nplug_vec2 best = {0.0f, 0.0f};
    uint32_t end = nest->game.first_binding[action + 1];

    if (!layer_is_on(nest, player, action)) return best;
    if (np_game_action(&nest->game, action)->kind == NPLUG_BUTTON) {
        best.x = np_action_of(&nest->actions, player, action)->held ? 1.0f : 0.0f;
        return best;
    }
    for (uint32_t b = nest->game.first_binding[action]; b < end; b++) {
        nplug_vec2 value = value_of_binding(nest, player, &nest->game.bindings[b], time);
        if (np_game_action(&nest->game, action)->kind == NPLUG_MOTION) {
            best.x += value.x;
            best.y += value.y;
        } else if (strength(value) > strength(best)) {
            best = value;
        }
    }
    return best;
}

static void say_value(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    nplug_action_kind kind = np_game_action(&nest->game, action)->kind;
    nplug_event event = np_event(time, NPLUG_EVENT_VALUE, 0, player);

    if (kind == NPLUG_BUTTON) return;
    event.action = action;
    event.value = np_action_of(&nest->actions, player, action)->value;
    np_events_add(&nest->events, &event);
}

void np_actions_settle(nplug_nest *nest, nplug_time time)
{
    np_actions *actions = &nest->actions;
    uint32_t count = actions->dirty_count;

    /* What is on its way is marked again: at the list's head, never beyond what was read. */
    actions->dirty_count = 0;
    for (uint32_t i = 0; i < count; i++) {
        np_action *state = &actions->list[actions->dirty[i]];
        uint32_t player = actions->dirty[i] / actions->action_limit;
        uint32_t action = actions->dirty[i] % actions->action_limit;
        nplug_vec2 value;
        bool same;
        state->dirty = 0;
        value = value_of(nest, player, action, time);
        same = value.x == state->value.x && value.y == state->value.y;
        state->value = value;
        if (!same) say_value(nest, player, action, time);
    }
}
