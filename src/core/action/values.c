/* The value lane: what the bindings of each action come to, once at the end of a step.
 *
 * Owns np_values, and how the room is laid out.  Comes in: actions that are marked; controls that
 * moved.  Goes out: events of values. */
#include "core/action/inside.h"
#include <string.h>

/* A mouse that drives a stick's action: no step is counted as shorter than this (microseconds). */
#define SHORTEST 1000u

/* --- several bindings ----------------------------------------------------------------------- */

static float clamp(float value)
{
    return value > 1.0f ? 1.0f : value < -1.0f ? -1.0f : value;
}

static float strength(nplug_vec2 v)
{
    return v.x * v.x + v.y * v.y;
}

/* What an action's bindings come to, for all kinds but motions. */
static nplug_vec2 merged(np_action_room *room, uint32_t player, uint32_t action, nplug_time time,
                         nplug_time span)
{
    const np_binding *bindings = room->game->bindings;
    uint8_t merge = room->game->rules[action].merge;
    nplug_vec2 best = {0.0f, 0.0f};

    for (uint32_t b = room->game->first_binding[action]; b != NP_NO_INDEX; b = bindings[b].next) {
        nplug_vec2 value;
        if (!np_readings_are_there(room, &bindings[b])) continue;
        value = np_readings_of_linked(room, player, b, time, span);
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
static nplug_vec2 latest(np_action_room *room, uint32_t player, uint32_t action, nplug_time time,
                         nplug_time span)
{
    uint32_t binding = np_latest_of(room, player, action, time);
    nplug_vec2 none = {0.0f, 0.0f};

    if (binding == NP_NO_INDEX) return none;
    if (room->game->bindings[binding].moves) np_marks_action(room, player, action);
    return np_readings_of(room, player, binding, time, span);
}

static nplug_vec2 value_of(np_action_room *room, uint32_t player, uint32_t action, nplug_time time,
                           nplug_time span)
{
    nplug_vec2 value = room->game->rules[action].merge == NPLUG_MERGE_LATEST
                           ? latest(room, player, action, time, span)
                           : merged(room, player, action, time, span);

    value.x = clamp(value.x);
    value.y = np_game_kind(room->game, action) == NPLUG_ACTION_LEVEL ? 0.0f : clamp(value.y);
    return value;
}

/* --- the lane ------------------------------------------------------------------------------- */

static void settle(np_action_room *room, uint32_t player, uint32_t action, nplug_time time,
                   nplug_time span)
{
    np_action *state = np_action_of(&room->actions, player, action);
    const np_shaping *comfort = np_comfort_is_used(&room->asked->comforts, player)
                                    ? np_comfort_shaping(room->asked, player, action)
                                    : NULL;
    nplug_vec2 value;

    np_actions_set_dirty(state, false);
    value = value_of(room, player, action, time, span < SHORTEST ? SHORTEST : span);
    if (comfort)
        value = np_shaped(comfort, value,
                          np_game_kind(room->game, action) == NPLUG_ACTION_VECTOR ? 2 : 1, true);
    if (state->kept || (value.x == state->value.x && value.y == state->value.y)) return;
    np_actions_set(state, value);
    np_actions_tell_value(room, player, action, value, time);
}

/* What is on its way is marked again: at the list's head, never beyond what was read. */
static void settle_all(np_action_room *room, nplug_time time)
{
    np_values *values = &room->values;
    uint32_t count = values->dirty_count;
    nplug_time span = time - values->last;

    values->last = time;
    values->dirty_count = 0;
    values->latest = false;
    for (uint32_t i = 0; i < count; i++)
        settle(room, values->dirty[i] >> 16, values->dirty[i] & 0xffffu, time, span);
}

void np_values_settle(np_action_room *room, nplug_time time)
{
    for (uint32_t i = 0; i < room->controls->moved_count; i++)
        if (room->sources.of_control[room->controls->moved[i]] != NP_NO_INDEX)
            np_marks_control(room, room->controls->moved[i], true);
    settle_all(room, time);
}

void np_action_begin(np_action_room *room)
{
    room->step++;
    np_motions_begin(room);
}

void np_action_advance(np_action_room *room, nplug_time time)
{
    if (room->motions.count && time != room->motions.advanced) np_motions_advance(room, time);
    if (room->values.latest) np_latest_advance(room, time);
    np_motions_pass(&room->motions, time);
}

void np_action_layout(np_action_room *room, np_arena *arena, const nplug_limits *limits)
{
    static const np_array arrays[] = {
        NP_ARRAY(np_action_room, sources.links, links, NP_ARRAY_OF),
        NP_ARRAY(np_action_room, sources.of_control, controls, NP_ARRAY_OF),
        NP_ARRAY(np_action_room, sources.of_source, sources, NP_ARRAY_OF),
        NP_ARRAY(np_action_room, sources.down, sources, NP_ARRAY_BY_PLAYER),
        NP_ARRAY(np_action_room, layers.on, players, NP_ARRAY_PLAYERS),
        NP_ARRAY(np_action_room, layers.cover, sources, NP_ARRAY_BY_PLAYER),
        NP_ARRAY(np_action_room, gestures.marks, bindings, NP_ARRAY_BY_PLAYER),
        NP_ARRAY(np_action_room, gestures.rows, bindings, NP_ARRAY_BY_PLAYER),
        NP_ARRAY(np_action_room, gestures.machines, gestures, NP_ARRAY_BY_PLAYER),
        NP_ARRAY(np_action_room, gestures.stuck, sources, NP_ARRAY_BY_PLAYER),
        NP_ARRAY(np_action_room, gestures.alone, players, NP_ARRAY_PLAYERS),
        NP_ARRAY(np_action_room, actions.list, actions, NP_ARRAY_BY_PLAYER),
        NP_ARRAY(np_action_room, values.ramps, ramps, NP_ARRAY_BY_PLAYER),
        NP_ARRAY(np_action_room, values.dirty, actions, NP_ARRAY_BY_PLAYER),
        NP_ARRAY(np_action_room, motions.moving, actions, NP_ARRAY_BY_PLAYER),
        NP_ARRAY(np_action_room, latest.order, bindings, NP_ARRAY_BY_PLAYER),
        NP_ARRAY(np_action_room, zones.owner, contacts, NP_ARRAY_OF),
        NP_ARRAY(np_action_room, zones.list, zones, NP_ARRAY_OF),
        NP_ARRAY(np_action_room, zones.wishes, zones, NP_ARRAY_OF)};

    np_arena_lay(arena, room, limits, arrays, sizeof arrays / sizeof *arrays);
    np_span_layout(&room->sources.span, arena, limits->links);
    room->pick.held = (uint8_t *)np_arena_take(arena, (limits->controls + 7u) / 8u, 1);
    room->sources.source_limit = room->layers.source_limit = room->gestures.source_limit =
        limits->sources;
    room->gestures.binding_limit = room->latest.binding_limit = limits->bindings;
    room->gestures.machine_limit = limits->gestures;
    room->actions.action_limit = limits->actions;
    room->values.ramp_limit = limits->ramps;
    room->zones.limit = limits->zones;
    if (!arena->base) return;
    memset(room->sources.of_control, 0xff, limits->controls * sizeof(uint16_t));
    memset(room->sources.of_source, 0xff, limits->sources * sizeof(uint16_t));
}
