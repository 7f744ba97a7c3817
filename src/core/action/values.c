/* The value lane: what the bindings of each action come to, once at the end of a step. */
#include "core/action/inside.h"

/* A mouse that drives a stick's action: no step is counted as shorter than this (microseconds). */
#define SHORTEST 1000u

void np_values_layout(np_values *values, np_arena *arena, const nplug_limits *limits)
{
    size_t players = limits->players + 1u;

    values->ramps = (np_ramp *)np_arena_take(arena, players * limits->ramps, sizeof(np_ramp));
    values->dirty = (uint32_t *)np_arena_take(arena, players * limits->actions, sizeof(uint32_t));
    values->ramp_limit = limits->ramps;
}

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
    if (np_game_is_delta(room->game, &room->game->bindings[binding]))
        np_marks_action(room, player, action);
    return np_readings_of(room, player, binding, time, span);
}

static nplug_vec2 value_of(np_action_room *room, uint32_t player, uint32_t action, nplug_time time,
                           nplug_time span)
{
    nplug_vec2 value = room->game->rules[action].merge == NPLUG_MERGE_LATEST
                           ? latest(room, player, action, time, span)
                           : merged(room, player, action, time, span);

    value.x = clamp(value.x);
    value.y = np_game_kind(room->game, action) == NPLUG_LEVEL ? 0.0f : clamp(value.y);
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
        value = np_shaped(comfort, value, np_game_kind(room->game, action) == NPLUG_VECTOR ? 2 : 1,
                          true);
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
    if (room->motions.count) np_motions_advance(room, time);
    if (room->values.latest) np_latest_advance(room, time);
    np_motions_pass(&room->motions, time);
}

void np_action_layout(np_action_room *room, np_arena *arena, const nplug_limits *limits)
{
    np_links_layout(&room->sources, arena, limits);
    np_layers_layout(&room->layers, arena, limits);
    np_gestures_layout(&room->gestures, arena, limits);
    np_actions_layout(&room->actions, arena, limits);
    np_values_layout(&room->values, arena, limits);
    np_motions_layout(&room->motions, arena, limits);
    np_latest_layout(&room->latest, arena, limits);
    np_pick_layout(&room->pick, arena, limits);
}
