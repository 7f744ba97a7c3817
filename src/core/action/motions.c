/* Motions: what was moved in a step, summed as it happens.
 *
 * Owns np_motions.  Comes in: deltas; time that passes while a stick is away from rest or a key is
 * down.  Goes out: values of motions, once a step. */
#include "core/action/inside.h"

static np_action *state_of(np_action_room *room, uint32_t pair)
{
    return np_action_of(&room->actions, pair >> 16, pair & 0xffffu);
}

void np_motions_begin(np_action_room *room)
{
    for (uint32_t i = 0; i < room->motions.count; i++)
        np_actions_begin_motion(state_of(room, room->motions.moving[i]));
}

/* --- what has no ends ------------------------------------------------------------------------- */

/* Where a source stands in a binding says which way it moves. */
static nplug_vec2 directed(const np_binding *binding, uint32_t source, nplug_vec2 value)
{
    nplug_vec2 sum = {0.0f, 0.0f};

    if (binding->shape == NP_SHAPE_ONE) return value;
    for (uint32_t i = 0; i < binding->source_count; i++) {
        bool vertical = binding->shape == NP_SHAPE_CROSS && i < 2;
        bool onward = (i & 1u) == (vertical ? 0u : 1u); /* up comes first, and down; else low */
        float way = onward ? value.x : 0.0f - value.x;
        if (binding->source[i] != source) continue;
        if (vertical)
            sum.y += way;
        else
            sum.x += way;
    }
    return sum;
}

static void add(np_action_room *room, uint32_t player, const np_binding *binding, uint32_t source,
                nplug_vec2 value)
{
    const np_shaping *shaping = np_game_shaping(room->game, binding);

    if (!np_layers_admit(room, player, binding)) return;
    if (!np_layers_see(&room->layers, player, binding, source)) return;
    value = directed(binding, source, np_links_read(&room->game->sources[source], value));
    if (shaping) value = np_shaped_delta(shaping, value);
    np_actions_move(np_action_of(&room->actions, player, binding->action), value);
}

/* Motions move by each value; whatever else goes by the control is looked at when the step ends. */
static void add_to_source(np_action_room *room, uint32_t hearers, uint32_t source, nplug_vec2 value)
{
    const np_game *game = room->game;

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        const np_binding *binding = &game->bindings[np_use_binding(&game->uses[at])];
        if (np_use_is_held(&game->uses[at])) continue;
        for (uint32_t set = hearers; set; set = np_bits_rest(set)) {
            if (binding->kind == NPLUG_ACTION_MOTION)
                add(room, np_bits_lowest(set), binding, source, value);
            np_marks_action(room, np_bits_lowest(set), binding->action);
        }
    }
}

static void add_of_control(np_action_room *room, uint32_t index, nplug_vec2 value)
{
    const np_control *control = &room->controls->list[index];
    uint32_t hearers = np_players_hearing(room->players, control);

    if (control->flags & NP_CONTROL_SPENT) return;
    for (uint32_t at = room->sources.of_control[index]; at != NP_NO_INDEX;
         at = room->sources.links[at].of_control)
        add_to_source(room, hearers, room->sources.links[at].source, value);
}

static float way_of(const np_wire *wire, int32_t counts)
{
    float way = (float)counts / (float)wire->high;
    return wire->how & NP_WIRE_REVERSED ? 0.0f - way : way;
}

void np_motions_add_delta(np_action_room *room, uint32_t signal, int32_t value)
{
    np_run run = room->controls->of_signal[signal];

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        const np_wire *wire = &room->controls->wires[w];
        nplug_vec2 way = {0.0f, 0.0f};
        *(wire->component ? &way.y : &way.x) = way_of(wire, value);
        add_of_control(room, wire->control, way);
    }
}

void np_motions_add_pair(np_action_room *room, uint32_t signal, const int32_t by[2])
{
    const np_wire *wires = room->controls->wires;
    np_run x = room->controls->of_signal[signal], y = room->controls->of_signal[signal + 1];

    if (x.count && y.count) {
        nplug_vec2 way = {way_of(&wires[x.first], by[0]), way_of(&wires[y.first], by[1])};
        add_of_control(room, wires[x.first].control, way);
    }
}

/* --- what has ------------------------------------------------------------------------------- */

/* How fast a player's sticks and keys move a motion, in counts a second; what moves without ends
 * has no speed. */
static nplug_vec2 speed_of(np_action_room *room, uint32_t player, uint32_t action, nplug_time time)
{
    nplug_vec2 speed = {0.0f, 0.0f};

    for (uint32_t b = room->game->first_binding[action]; b != NP_NO_INDEX;
         b = room->game->bindings[b].next) {
        nplug_vec2 one;
        if (room->game->bindings[b].moves && room->game->bindings[b].shape == NP_SHAPE_ONE)
            continue;
        one = np_readings_of(room, player, b, time, 0);
        speed.x += one.x;
        speed.y += one.y;
    }
    return speed;
}

void np_motions_advance(np_action_room *room, nplug_time time)
{
    float span = (float)(time - room->motions.advanced) / 1000000.0f;

    for (uint32_t i = 0; i < room->motions.count && span > 0.0f; i++) {
        uint32_t pair = room->motions.moving[i];
        nplug_vec2 way = speed_of(room, pair >> 16, pair & 0xffffu, time);
        way.x *= span;
        way.y *= span;
        np_actions_move(state_of(room, pair), way);
    }
}

/* --- the end of a step ------------------------------------------------------------------------ */

static bool is_zero(nplug_vec2 v)
{
    return v.x == 0.0f && v.y == 0.0f;
}

/* Whether it goes on: a motion that was moved has to be 0 again in the next step. */
static bool settle(np_action_room *room, uint32_t player, uint32_t action, nplug_time time)
{
    np_action *state = np_action_of(&room->actions, player, action);
    const np_shaping *comfort = np_comfort_is_used(&room->asked->comforts, player)
                                    ? np_comfort_shaping(room->asked, player, action)
                                    : NULL;
    nplug_vec2 value = state->value;

    if (comfort) value = np_shaped_delta(comfort, value);
    np_actions_set(state, value);
    if (!is_zero(value) || state->moved) np_actions_tell_value(room, player, action, value, time);
    return !is_zero(value) || !is_zero(speed_of(room, player, action, time));
}

/* Those that go on stand at the list's head, never beyond what was read. */
void np_motions_settle(np_action_room *room, nplug_time time)
{
    uint32_t count = room->motions.count;

    room->motions.count = 0;
    for (uint32_t i = 0; i < count; i++) {
        uint32_t pair = room->motions.moving[i];
        np_actions_set_dirty(state_of(room, pair), false);
        if (settle(room, pair >> 16, pair & 0xffffu, time))
            np_marks_action(room, pair >> 16, pair & 0xffffu);
    }
}
