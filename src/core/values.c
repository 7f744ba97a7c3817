#include "values.h"
#include "nest.h"

/* A mouse that drives a stick's action: no step is counted as shorter than this (microseconds). */
#define SHORTEST 1000u

void np_values_layout(np_values *values, np_carve *carve, const nplug_limits *limits)
{
    size_t players = limits->players + 1u;

    values->ramps = (np_ramp *)np_carve_take(carve, players * limits->ramps, sizeof(np_ramp));
    values->away = (uint8_t *)np_carve_take(carve, players * limits->bindings, 1);
    values->latest = (uint16_t *)np_carve_take(carve, players * limits->actions, sizeof(uint16_t));
    values->dirty = (uint32_t *)np_carve_take(carve, players * limits->actions, sizeof(uint32_t));
    values->ramp_limit = limits->ramps;
    values->binding_limit = limits->bindings;
    values->action_limit = limits->actions;
}

/* --- what is to be found again -------------------------------------------------------------- */

static void mark(nplug_nest *nest, np_action *state, uint32_t player, uint32_t action)
{
    if (state->dirty) return;
    np_actions_set_dirty(state, true);
    nest->values.dirty[nest->values.dirty_count++] = player << 16 | action;
}

void np_values_mark(nplug_nest *nest, uint32_t player, uint32_t action)
{
    if (np_game_kind(&nest->game, action) == NPLUG_BUTTON) return;
    mark(nest, np_action_of(&nest->actions, player, action), player, action);
}

/* What a control that drives an action does to it. */
typedef enum deed { MARKS, MOVES, KEEPS } deed;

static void do_for(nplug_nest *nest, uint32_t hearers, uint32_t action, deed deed)
{
    for (; hearers; hearers = np_bits_rest(hearers)) {
        uint32_t player = np_bits_lowest(hearers);
        np_action *state = np_action_of(&nest->actions, player, action);
        if (deed != MARKS) np_actions_keep(state, deed == KEEPS);
        if (deed != KEEPS) mark(nest, state, player, action);
    }
}

/* Does that to all actions that give values and hear a control.  None is a button. */
static void do_to_actions(nplug_nest *nest, uint32_t control, deed deed)
{
    const np_game *game = &nest->game;
    const np_control *about = &nest->controls.list[control];
    uint32_t hearers = np_players_hearing(&nest->players, about);

    for (uint32_t link = nest->sources.of_control[control]; link != NP_NO_INDEX;
         link = nest->sources.links[link].of_control) {
        const np_source *source = &game->sources[nest->sources.links[link].source];
        if (source->gives == 0) continue;
        for (uint32_t at = source->first_use; at != NP_NO_INDEX; at = game->uses[at].next) {
            const np_binding *binding = &game->bindings[np_use_binding(&game->uses[at])];
            if (binding->kind == NPLUG_BUTTON) continue;
            if (deed == KEEPS && !(about->flags & NP_CONTROL_LEVER) &&
                !game->rules[binding->action].stays)
                continue;
            do_for(nest, hearers, binding->action, deed);
        }
    }
}

void np_values_mark_control(nplug_nest *nest, uint32_t control, bool moved)
{
    do_to_actions(nest, control, moved ? MOVES : MARKS);
}

void np_values_keep_device(nplug_nest *nest, uint32_t device)
{
    np_run run = nest->controls.of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        do_to_actions(nest, i, KEEPS);
}

void np_values_mark_device(nplug_nest *nest, uint32_t device)
{
    np_run run = nest->controls.of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        np_values_mark_control(nest, i, false);
}

/* --- ramps ---------------------------------------------------------------------------------- */

static np_ramp *ramp_of(const np_values *values, uint32_t player, const np_binding *binding,
                        uint32_t source)
{
    return &values->ramps[(size_t)player * values->ramp_limit + binding->ramp + source];
}

/* What a source of a binding with a ramp has come to. */
static float ramp_value(const nplug_nest *nest, uint32_t player, const np_binding *binding,
                        uint32_t source, nplug_time time)
{
    const np_shaping *shaping = np_game_shaping(&nest->game, binding);
    const np_ramp *ramp = ramp_of(&nest->values, player, binding, source);
    nplug_time span = time > ramp->since ? time - ramp->since : 0;

    if (np_sources_down(&nest->sources, player, binding->source[source]))
        return np_ramp_up(ramp->from, shaping->rise, span);
    return np_ramp_down(ramp->from, shaping->fall, span);
}

/* The source says already where it goes now: what it was is the other way. */
void np_values_turn_ramp(nplug_nest *nest, uint32_t player, uint32_t number, uint32_t source,
                         nplug_time time)
{
    const np_binding *binding = &nest->game.bindings[number];
    const np_shaping *shaping = np_game_shaping(&nest->game, binding);
    bool down = np_sources_down(&nest->sources, player, source);

    for (uint32_t i = 0; i < binding->source_count; i++) {
        np_ramp *ramp = ramp_of(&nest->values, player, binding, i);
        nplug_time span = time > ramp->since ? time - ramp->since : 0;
        if (binding->source[i] != source) continue;
        ramp->from = down ? np_ramp_down(ramp->from, shaping->fall, span)
                          : np_ramp_up(ramp->from, shaping->rise, span);
        ramp->since = time;
    }
    np_values_mark(nest, player, binding->action);
}

/* Whether a ramp is still on its way: its action is looked at again at the next step. */
static bool is_under_way(float value, bool down)
{
    return down ? value < 1.0f : value > 0.0f;
}

static float ramped(nplug_nest *nest, uint32_t player, const np_binding *binding, uint32_t source,
                    nplug_time time)
{
    float value = ramp_value(nest, player, binding, source, time);

    if (is_under_way(value, np_sources_down(&nest->sources, player, binding->source[source])))
        np_values_mark(nest, player, binding->action);
    return value;
}

/* --- one binding ---------------------------------------------------------------------------- */

static float clamp(float value)
{
    return value > 1.0f ? 1.0f : value < -1.0f ? -1.0f : value;
}

/* One part of a binding's value: a source, or its ramp. */
static nplug_vec2 part_of(nplug_nest *nest, uint32_t player, const np_binding *binding,
                          uint32_t source, nplug_time time, nplug_time span)
{
    bool alone = binding->shape == NP_SHAPE_ONE;
    np_taste taste = {alone ? np_game_shaping(&nest->game, binding) : NULL, 0, false};
    nplug_vec2 part = {0.0f, 0.0f};

    if (!np_layers_see(&nest->layers, player, binding, binding->source[source])) return part;
    if (binding->ramp != NP_NO_INDEX) {
        part.x = ramped(nest, player, binding, source, time);
        return taste.shaping ? np_shaped(taste.shaping, part, 1, false) : part;
    }
    taste.moves = alone && binding->kind == NPLUG_MOTION;
    if (binding->kind != NPLUG_MOTION) taste.span = span;
    return np_sources_value(nest, player, binding->source[source], &taste);
}

/* Two keys, or four. */
static nplug_vec2 put_together(const nplug_nest *nest, const np_binding *binding, uint8_t marks,
                               const nplug_vec2 part[4])
{
    uint8_t rule = nest->game.rules[binding->action].opposite;
    const np_shaping *shaping = np_game_shaping(&nest->game, binding);
    bool cross = binding->shape == NP_SHAPE_CROSS;
    nplug_vec2 value = {0.0f, 0.0f};

    value.x = np_opposed(part[cross ? 2 : 0].x, part[cross ? 3 : 1].x, rule,
                         (marks & NP_MARK_LATER_X) != 0);
    if (cross) /* up comes first in the text: the second one is down */
        value.y = np_opposed(part[1].x, part[0].x, rule, (marks & NP_MARK_LATER_Y) == 0);
    if (binding->kind == NPLUG_MOTION) return np_shaped_speed(shaping, value, cross ? 2 : 1, true);
    if (!shaping) return value;
    return np_game_shape(&nest->game, shaping, np_shaped(shaping, value, cross ? 2 : 1, true));
}

/* Nobody has any of its controls: nearly half of all bindings. */
static bool is_linked(const nplug_nest *nest, const np_binding *binding)
{
    bool linked = false;

    for (uint32_t i = 0; i < binding->source_count; i++)
        linked |= nest->sources.of_source[binding->source[i]] != NP_NO_INDEX;
    return linked;
}

static nplug_vec2 value_of_binding(nplug_nest *nest, uint32_t player, uint32_t number,
                                   nplug_time time, nplug_time span)
{
    const np_binding *binding = &nest->game.bindings[number];
    nplug_vec2 part[4] = {{0.0f, 0.0f}};

    if (!np_layers_admit(nest, player, binding)) return part[0];
    for (uint32_t i = 0; i < binding->source_count; i++)
        part[i] = part_of(nest, player, binding, i, time, span);
    if (binding->shape != NP_SHAPE_ONE)
        return put_together(nest, binding, np_gestures_marks(&nest->gestures, player, number),
                            part);
    return part[0];
}

/* --- several bindings ----------------------------------------------------------------------- */

static float strength(nplug_vec2 v)
{
    return v.x * v.x + v.y * v.y;
}

static uint16_t *latest_of(np_values *values, uint32_t player, uint32_t action)
{
    return &values->latest[(size_t)player * values->action_limit + action];
}

void np_values_note_press(nplug_nest *nest, uint32_t player, uint32_t binding)
{
    uint32_t action = nest->game.bindings[binding].action;

    nest->values.away[(size_t)player * nest->values.binding_limit + binding] = 1;
    *latest_of(&nest->values, player, action) = (uint16_t)binding;
}

/* Whether a binding is to give the value rather than the one found so far. */
static bool is_later(nplug_nest *nest, uint32_t player, uint32_t binding, nplug_vec2 value)
{
    uint8_t *away = &nest->values.away[(size_t)player * nest->values.binding_limit + binding];
    bool was = *away != 0;

    *away = strength(value) > 0.0f;
    if (*away && !was)
        *latest_of(&nest->values, player, nest->game.bindings[binding].action) = (uint16_t)binding;
    return *latest_of(&nest->values, player, nest->game.bindings[binding].action) == binding &&
           *away;
}

/* What an action's bindings come to, for all kinds but motions. */
static nplug_vec2 merged(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time,
                         nplug_time span)
{
    uint8_t merge = nest->game.rules[action].merge;
    nplug_vec2 best = {0.0f, 0.0f}, latest = {0.0f, 0.0f};

    for (uint32_t b = nest->game.first_binding[action]; b != NP_NO_INDEX;
         b = nest->game.bindings[b].next) {
        nplug_vec2 value;
        /* of the latest ones, each has to be told that it is at rest */
        if (merge != NPLUG_MERGE_LATEST && !is_linked(nest, &nest->game.bindings[b])) continue;
        value = value_of_binding(nest, player, b, time, span);
        if (merge == NPLUG_MERGE_ADDED) {
            best.x += value.x;
            best.y += value.y;
        } else if (strength(value) > strength(best)) {
            best = value;
        }
        if (merge == NPLUG_MERGE_LATEST && is_later(nest, player, b, value)) latest = value;
    }
    if (strength(latest) > 0.0f) best = latest;
    best.x = clamp(best.x);
    best.y = np_game_kind(&nest->game, action) == NPLUG_LEVEL ? 0.0f : clamp(best.y);
    return best;
}

/* Motions always add.  What has ends moves as long as it is away from its rest. */
static nplug_vec2 moved(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time,
                        nplug_time span)
{
    nplug_vec2 sum = {0.0f, 0.0f};

    for (uint32_t b = nest->game.first_binding[action]; b != NP_NO_INDEX;
         b = nest->game.bindings[b].next) {
        const np_binding *binding = &nest->game.bindings[b];
        nplug_vec2 value;
        if (!is_linked(nest, binding)) continue;
        value = value_of_binding(nest, player, b, time, span);
        if (!np_game_is_delta(&nest->game, binding)) {
            if (strength(value) > 0.0f) np_values_mark(nest, player, action);
            value.x *= (float)span / 1000000.0f;
            value.y *= (float)span / 1000000.0f;
        }
        sum.x += value.x;
        sum.y += value.y;
    }
    return sum;
}

/* --- the lane ------------------------------------------------------------------------------- */

static void say_value(nplug_nest *nest, uint32_t player, uint32_t action, nplug_vec2 value,
                      nplug_time time)
{
    nplug_event *event = np_events_say(&nest->events, time, NPLUG_EVENT_VALUE, 0, player);

    event->action = action;
    event->value = value;
}

static void settle(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time,
                   nplug_time span)
{
    np_action *state = np_action_of(&nest->actions, player, action);
    const np_shaping *comfort = np_comfort_is_used(&nest->comforts, player)
                                    ? np_comfort_shaping(nest, player, action)
                                    : NULL;
    nplug_action_kind kind = np_game_kind(&nest->game, action);
    nplug_vec2 value;

    np_actions_set_dirty(state, false);
    if (kind == NPLUG_MOTION)
        value = moved(nest, player, action, time, span);
    else
        value = merged(nest, player, action, time, span < SHORTEST ? SHORTEST : span);
    if (comfort && kind == NPLUG_MOTION)
        value = np_shaped_delta(comfort, value);
    else if (comfort)
        value = np_shaped(comfort, value, kind == NPLUG_VECTOR ? 2 : 1, true);
    if (value.x == state->value.x && value.y == state->value.y) return;
    if (state->kept && value.x == 0.0f && value.y == 0.0f) return;
    np_actions_keep(state, false);
    np_actions_set(state, value);
    say_value(nest, player, action, value, time);
}

void np_values_settle(nplug_nest *nest, nplug_time time)
{
    np_values *values = &nest->values;
    uint32_t count = values->dirty_count;
    nplug_time span = time - values->last;

    values->last = time;
    /* What is on its way is marked again: at the list's head, never beyond what was read. */
    values->dirty_count = 0;
    for (uint32_t i = 0; i < count; i++)
        settle(nest, values->dirty[i] >> 16, values->dirty[i] & 0xffffu, time, span);
}
