/* Readings: what one binding comes to, and which binding of an action left its rest last.
 *
 * Owns ramps and np_latest.  Comes in: controls as they are, layers, chords, time.  Goes out:
 * values. */
#include "core/action/inside.h"

/* --- ramps ---------------------------------------------------------------------------------- */

static np_ramp *ramp_of(const np_values *values, uint32_t player, const np_binding *binding,
                        uint32_t source)
{
    return &values->ramps[(size_t)player * values->ramp_limit + binding->ramp + source];
}

/* What a source of a binding with a ramp has come to. */
static float ramp_value(const np_action_room *room, uint32_t player, const np_binding *binding,
                        uint32_t source, nplug_time time)
{
    const np_shaping *shaping = np_game_shaping(room->game, binding);
    const np_ramp *ramp = ramp_of(&room->values, player, binding, source);
    nplug_time span = time > ramp->since ? time - ramp->since : 0;

    if (np_sources_down(&room->sources, player, binding->source[source]))
        return np_ramp_up(ramp->from, shaping->rise, span);
    return np_ramp_down(ramp->from, shaping->fall, span);
}

/* The source says already where it goes now: what it was is the other way. */
void np_readings_turn_ramp(np_action_room *room, uint32_t player, uint32_t number, uint32_t source,
                           nplug_time time)
{
    const np_binding *binding = &room->game->bindings[number];
    const np_shaping *shaping = np_game_shaping(room->game, binding);
    bool down = np_sources_down(&room->sources, player, source);

    for (uint32_t i = 0; i < binding->source_count; i++) {
        np_ramp *ramp = ramp_of(&room->values, player, binding, i);
        nplug_time span = time > ramp->since ? time - ramp->since : 0;
        if (binding->source[i] != source) continue;
        ramp->from = down ? np_ramp_down(ramp->from, shaping->fall, span)
                          : np_ramp_up(ramp->from, shaping->rise, span);
        ramp->since = time;
    }
    np_marks_action(room, player, binding->action);
}

/* Whether a ramp is still on its way: its action is looked at again at the next step. */
static bool is_under_way(float value, bool down)
{
    return down ? value < 1.0f : value > 0.0f;
}

static float ramped(np_action_room *room, uint32_t player, const np_binding *binding,
                    uint32_t source, nplug_time time)
{
    float value = ramp_value(room, player, binding, source, time);

    if (is_under_way(value, np_sources_down(&room->sources, player, binding->source[source])))
        np_marks_action(room, player, binding->action);
    return value;
}

/* --- one binding ---------------------------------------------------------------------------- */

/* One part of a binding's value: a source, or its ramp. */
static nplug_vec2 part_of(np_action_room *room, uint32_t player, const np_binding *binding,
                          uint32_t source, nplug_time time, nplug_time span)
{
    bool alone = binding->shape == NP_SHAPE_ONE;
    np_taste taste = {alone ? np_game_shaping(room->game, binding) : NULL, 0, false};
    nplug_vec2 part = {0.0f, 0.0f};

    if (!np_layers_see(&room->layers, player, binding, binding->source[source])) return part;
    if (binding->ramp != NP_NO_INDEX) {
        part.x = ramped(room, player, binding, source, time);
        return taste.shaping ? np_shaped(taste.shaping, part, 1, false) : part;
    }
    taste.moves = alone && binding->kind == NPLUG_ACTION_MOTION;
    if (binding->kind != NPLUG_ACTION_MOTION) taste.span = span;
    return np_links_value(room, player, binding->source[source], &taste);
}

/* Two keys, or four. */
static nplug_vec2 put_together(const np_action_room *room, const np_binding *binding, uint8_t marks,
                               const nplug_vec2 part[4])
{
    uint8_t rule = room->game->rules[binding->action].opposite;
    const np_shaping *shaping = np_game_shaping(room->game, binding);
    bool cross = binding->shape == NP_SHAPE_CROSS;
    nplug_vec2 value = {0.0f, 0.0f};

    value.x = np_opposed(part[cross ? 2 : 0].x, part[cross ? 3 : 1].x, rule,
                         (marks & NP_MARK_LATER_X) != 0);
    if (cross) /* up comes first in the text: the second one is down */
        value.y = np_opposed(part[1].x, part[0].x, rule, (marks & NP_MARK_LATER_Y) == 0);
    if (binding->kind == NPLUG_ACTION_MOTION)
        return np_shaped_speed(shaping, value, cross ? 2 : 1, true);
    if (!shaping) return value;
    return np_game_shape(room->game, shaping, np_shaped(shaping, value, cross ? 2 : 1, true));
}

nplug_vec2 np_readings_of_linked(np_action_room *room, uint32_t player, uint32_t number,
                                 nplug_time time, nplug_time span)
{
    const np_binding *binding = &room->game->bindings[number];
    nplug_vec2 part[4] = {{0.0f, 0.0f}};

    if (!np_layers_admit(room, player, binding)) return part[0];
    for (uint32_t i = 0; i < binding->source_count; i++)
        part[i] = part_of(room, player, binding, i, time, span);
    if (binding->shape != NP_SHAPE_ONE)
        return put_together(room, binding, np_gestures_marks(&room->gestures, player, number),
                            part);
    return part[0];
}

nplug_vec2 np_readings_of(np_action_room *room, uint32_t player, uint32_t number, nplug_time time,
                          nplug_time span)
{
    nplug_vec2 none = {0.0f, 0.0f};

    if (!np_readings_are_there(room, &room->game->bindings[number])) return none;
    return np_readings_of_linked(room, player, number, time, span);
}

/* --- the latest one
 * ------------------------------------------------------------------------------- */

static uint8_t *order_of(np_action_room *room, uint32_t player, uint32_t binding)
{
    return &room->latest.order[(size_t)player * room->latest.binding_limit + binding];
}

/* The one that is away longest is the first. */
static void leave_rest(np_action_room *room, uint32_t player, uint32_t binding)
{
    const np_game *game = room->game;
    uint8_t last = 0;

    for (uint32_t b = game->first_binding[game->bindings[binding].action]; b != NP_NO_INDEX;
         b = game->bindings[b].next)
        if (*order_of(room, player, b) > last) last = *order_of(room, player, b);
    if (last < UINT8_MAX) last++;
    *order_of(room, player, binding) = last;
}

static void come_to_rest(np_action_room *room, uint32_t player, uint32_t binding)
{
    const np_game *game = room->game;
    uint8_t order = *order_of(room, player, binding);

    for (uint32_t b = game->first_binding[game->bindings[binding].action]; b != NP_NO_INDEX;
         b = game->bindings[b].next)
        if (*order_of(room, player, b) > order) --*order_of(room, player, b);
    *order_of(room, player, binding) = 0;
}

/* What moves without ends is away from its rest until it pauses. */
static bool is_in_motion(const np_action_room *room, uint32_t player, uint32_t source,
                         nplug_time time)
{
    for (uint32_t at = room->sources.of_source[source]; at != NP_NO_INDEX;
         at = room->sources.links[at].next) {
        const np_control *control = &room->controls->list[room->sources.links[at].control];
        if (control->nature != NPLUG_NATURE_DELTA || control->flags & NP_CONTROL_SPENT) continue;
        if (!((np_players_hearing(room->players, control) >> player) & 1u)) continue;
        if (np_devices_in_motion(room->devices, control->device, time)) return true;
    }
    return false;
}

/* What rises is away from its rest as soon as it is pressed. */
static bool is_away(np_action_room *room, uint32_t player, uint32_t number, nplug_time time)
{
    const np_binding *binding = &room->game->bindings[number];
    nplug_vec2 value = np_readings_of(room, player, number, time, 0);
    bool away = value.x != 0.0f || value.y != 0.0f;

    if (away || !np_layers_admit(room, player, binding)) return away;
    for (uint32_t i = 0; i < binding->source_count && !away; i++) {
        if (!np_layers_see(&room->layers, player, binding, binding->source[i])) continue;
        away = is_in_motion(room, player, binding->source[i], time) ||
               (binding->ramp != NP_NO_INDEX &&
                np_sources_down(&room->sources, player, binding->source[i]));
    }
    return away;
}

uint32_t np_latest_of(np_action_room *room, uint32_t player, uint32_t action, nplug_time time)
{
    const np_game *game = room->game;
    uint32_t latest = NP_NO_INDEX;

    for (uint32_t b = game->first_binding[action]; b != NP_NO_INDEX; b = game->bindings[b].next) {
        bool away = is_away(room, player, b, time);
        if (away == (*order_of(room, player, b) != 0)) continue;
        if (away)
            leave_rest(room, player, b);
        else
            come_to_rest(room, player, b);
    }
    for (uint32_t b = game->first_binding[action]; b != NP_NO_INDEX; b = game->bindings[b].next) {
        uint8_t order = *order_of(room, player, b);
        if (order && (latest == NP_NO_INDEX || order > *order_of(room, player, latest))) latest = b;
    }
    return latest;
}

void np_latest_advance(np_action_room *room, nplug_time time)
{
    for (uint32_t i = 0; i < room->values.dirty_count; i++) {
        uint32_t player = room->values.dirty[i] >> 16, action = room->values.dirty[i] & 0xffffu;
        if (room->game->rules[action].merge == NPLUG_MERGE_LATEST)
            np_latest_of(room, player, action, time);
    }
}

void np_latest_forget(np_action_room *room, uint32_t binding)
{
    for (uint32_t player = 0; player <= room->limits->players; player++)
        if (*order_of(room, player, binding)) come_to_rest(room, player, binding);
}
