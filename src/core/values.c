#include "values.h"
#include "nest.h"

/* A mouse that drives a stick's action: no step is counted as shorter than this (microseconds). */
#define SHORTEST 1000u

void np_values_layout(np_values *values, np_carve *carve, const nplug_limits *limits)
{
    size_t players = limits->players + 1u;

    values->ramps = (np_ramp *)np_carve_take(carve, players * limits->ramps, sizeof(np_ramp));
    values->dirty = (uint32_t *)np_carve_take(carve, players * limits->actions, sizeof(uint32_t));
    values->ramp_limit = limits->ramps;
}

/* --- what is to be found again -------------------------------------------------------------- */

static void mark(nplug_nest *nest, np_action *state, uint32_t player, uint32_t action)
{
    np_values *values = &nest->values;

    if (state->dirty) return;
    np_actions_set_dirty(state, true);
    if (nest->game.timed && np_game_kind(&nest->game, action) == NPLUG_MOTION) {
        np_motions_mark(&nest->motions, player, action);
        return;
    }
    values->dirty[values->dirty_count++] = player << 16 | action;
    if (nest->game.timed)
        values->latest |= nest->game.rules[action].merge == NPLUG_MERGE_LATEST;
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

void np_values_drop(nplug_nest *nest, uint32_t player, uint32_t action)
{
    np_actions_keep(np_action_of(&nest->actions, player, action), false);
    np_values_mark(nest, player, action);
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

/* Nobody has any of its controls: nearly half of all bindings.  What falls goes on without. */
static bool is_linked(const nplug_nest *nest, const np_binding *binding)
{
    bool linked = binding->ramp != NP_NO_INDEX;

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

nplug_vec2 np_values_of_binding(nplug_nest *nest, uint32_t player, uint32_t number, nplug_time time,
                                nplug_time span)
{
    nplug_vec2 none = {0.0f, 0.0f};

    if (!is_linked(nest, &nest->game.bindings[number])) return none;
    return value_of_binding(nest, player, number, time, span);
}

/* --- several bindings ----------------------------------------------------------------------- */

static float strength(nplug_vec2 v)
{
    return v.x * v.x + v.y * v.y;
}

/* What an action's bindings come to, for all kinds but motions. */
static nplug_vec2 merged(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time,
                         nplug_time span)
{
    uint8_t merge = nest->game.rules[action].merge;
    nplug_vec2 best = {0.0f, 0.0f};

    for (uint32_t b = nest->game.first_binding[action]; b != NP_NO_INDEX;
         b = nest->game.bindings[b].next) {
        nplug_vec2 value;
        if (!is_linked(nest, &nest->game.bindings[b])) continue;
        value = value_of_binding(nest, player, b, time, span);
        if (merge == NPLUG_MERGE_ADDED) {
            best.x += value.x;
            best.y += value.y;
        } else if (strength(value) > strength(best)) {
            best = value;
        }
    }
    return best;
}

/* The latest one that is away from its rest gives the value; one that moves without ends pauses by
 * itself. */
static nplug_vec2 latest(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time,
                         nplug_time span)
{
    uint32_t binding = np_latest_of(nest, player, action, time);
    nplug_vec2 none = {0.0f, 0.0f};

    if (binding == NP_NO_INDEX) return none;
    if (np_game_is_delta(&nest->game, &nest->game.bindings[binding]))
        np_values_mark(nest, player, action);
    return np_values_of_binding(nest, player, binding, time, span);
}

static nplug_vec2 value_of(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time,
                           nplug_time span)
{
    nplug_vec2 value = nest->game.rules[action].merge == NPLUG_MERGE_LATEST
                           ? latest(nest, player, action, time, span)
                           : merged(nest, player, action, time, span);

    value.x = clamp(value.x);
    value.y = np_game_kind(&nest->game, action) == NPLUG_LEVEL ? 0.0f : clamp(value.y);
    return value;
}

/* --- the lane ------------------------------------------------------------------------------- */

void np_values_say(nplug_nest *nest, uint32_t player, uint32_t action, nplug_vec2 value,
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
    nplug_vec2 value;

    np_actions_set_dirty(state, false);
    value = value_of(nest, player, action, time, span < SHORTEST ? SHORTEST : span);
    if (comfort)
        value = np_shaped(comfort, value, np_game_kind(&nest->game, action) == NPLUG_VECTOR ? 2 : 1,
                          true);
    if (state->kept || (value.x == state->value.x && value.y == state->value.y)) return;
    np_actions_set(state, value);
    np_values_say(nest, player, action, value, time);
}

/* What is on its way is marked again: at the list's head, never beyond what was read. */
static void settle_all(nplug_nest *nest, nplug_time time)
{
    np_values *values = &nest->values;
    uint32_t count = values->dirty_count;
    nplug_time span = time - values->last;

    values->last = time;
    values->dirty_count = 0;
    values->latest = false;
    for (uint32_t i = 0; i < count; i++)
        settle(nest, values->dirty[i] >> 16, values->dirty[i] & 0xffffu, time, span);
}

void np_values_settle(nplug_nest *nest, nplug_time time)
{
    np_nest_advance(nest, time);
    np_controls_settle(&nest->controls, &nest->devices);
    for (uint32_t i = 0; i < nest->controls.moved_count; i++)
        np_values_mark_control(nest, nest->controls.moved[i], true);
    np_controls_clean(&nest->controls);
    settle_all(nest, time);
}
