/* What the game may ask about poses and sensors: their numbers are read when they are asked for.
 *
 * Owns nothing.  Comes in: a control of a device, or a player and an action.  Goes out: facts. */
#include "core/calls/calls.h"
#include "nestplug/pose.h"
#include <math.h>
#include <string.h>

/* What numbers of a pose there may be: a place, a rotation, flags of tracking, and how fast it
 * moves and turns. */
enum { PLACE = 0, ROTATION = 3, TRACKING = 7, VELOCITY = 8, TURN_RATE = 11, NUMBERS = 14 };

/* Flags of tracking, as OpenXR 1.0 numbers them (XrSpaceLocationFlagBits). */
enum { TURNED_VALID = 1, PLACED_VALID = 2, TURNED_TRACKED = 4, PLACED_TRACKED = 8 };

/* The numbers of a control, and bit by number which were ever said. */
typedef struct numbers {
    float of[NUMBERS];
    uint32_t said, wired;
} numbers;

static void read_wire(const nplug_nest *nest, const np_wire *wire, uint32_t signal, numbers *into)
{
    int32_t raw = nest->device.devices.raw[signal];
    uint32_t bit = 1u << wire->component;

    if (wire->component >= NUMBERS) return;
    into->wired |= bit;
    if (!(nest->device.devices.flags[signal] & NP_SIGNAL_SILENT)) into->said |= bit;
    into->of[wire->component] =
        wire->component == TRACKING ? (float)(raw & 15) : np_wire_value(wire, raw);
}

static void read_numbers(const nplug_nest *nest, uint32_t control, numbers *into)
{
    uint32_t device = nest->device.controls.list[control].device;
    np_run run = nest->device.controls.wires_of[device];

    memset(into, 0, sizeof *into);
    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        const np_wire *wire = &nest->device.controls.wires[w];
        if (wire->control == control) read_wire(nest, wire, wire->signal, into);
    }
}

/* The place of a device's control of that nature; else why there is none. */
static nplug_result find(const nplug_nest *nest, nplug_device device, nplug_control control,
                         nplug_nature nature, uint32_t *found)
{
    nplug_result known =
        nest ? np_devices_check(&nest->device.devices, device) : NPLUG_ERR_ARGUMENT;

    if (known != NPLUG_OK) return known;
    *found = np_controls_find(&nest->device.controls,
                              np_devices_index(&nest->device.devices, device), control);
    if (*found == NP_NONE || nest->device.controls.list[*found].nature != nature)
        return NPLUG_ERR_UNKNOWN;
    return NPLUG_OK;
}

/* --- poses ------------------------------------------------------------------------------------ */

/* What was said, as a rotation of length one; what is none turns nothing. */
static bool take_rotation(const float said[4], float orientation[4])
{
    float length =
        sqrtf(said[0] * said[0] + said[1] * said[1] + said[2] * said[2] + said[3] * said[3]);
    bool good = length >= 0.1f && length <= 10.0f;

    for (unsigned i = 0; i < 4; i++)
        orientation[i] = good ? said[i] / length : i == 3 ? 1.0f : 0.0f;
    return good;
}

static bool all(uint32_t set, uint32_t first, uint32_t count)
{
    uint32_t wanted = ((1u << count) - 1u) << first;
    return (set & wanted) == wanted;
}

static void fill(const nplug_nest *nest, uint32_t control, nplug_pose_facts *facts)
{
    const np_control *about = &nest->device.controls.list[control];
    uint32_t tracking = 15;
    bool turned;
    numbers said;

    read_numbers(nest, control, &said);
    if (said.said & (1u << TRACKING)) tracking = (uint32_t)said.of[TRACKING];
    facts->device = np_devices_handle(&nest->device.devices, about->device);
    facts->awake = !nest->device.devices.list[about->device].asleep;
    facts->control = about->id;
    memcpy(facts->pose.position, said.of + PLACE, sizeof facts->pose.position);
    turned = take_rotation(said.of + ROTATION, facts->pose.orientation);
    facts->has_velocity = all(said.wired, VELOCITY, 3);
    facts->has_turn_rate = all(said.wired, TURN_RATE, 3);
    memcpy(facts->velocity, said.of + VELOCITY, sizeof facts->velocity);
    memcpy(facts->turn_rate, said.of + TURN_RATE, sizeof facts->turn_rate);
    facts->position_valid = (tracking & PLACED_VALID) != 0;
    facts->orientation_valid = turned && (tracking & TURNED_VALID) != 0;
    facts->position_tracked = facts->position_valid && (tracking & PLACED_TRACKED) != 0;
    facts->orientation_tracked = facts->orientation_valid && (tracking & TURNED_TRACKED) != 0;
}

static nplug_result give(nplug_pose_facts *facts, const nplug_pose_facts *now, nplug_result result)
{
    if (np_size_give(facts, NP_FIRST(nplug_pose_facts, reserved_2), now, sizeof *now) != NPLUG_OK)
        return NPLUG_ERR_SIZE;
    return result;
}

nplug_result nplug_pose_info(const nplug_nest *nest, nplug_device device, nplug_control control,
                             nplug_pose_facts *facts)
{
    nplug_pose_facts now = {0};
    nplug_result result;
    uint32_t found;

    if (!nest || !facts) return NPLUG_ERR_ARGUMENT;
    now.pose.orientation[3] = 1.0f;
    result = find(nest, device, control, NPLUG_NATURE_POSE, &found);
    if (result == NPLUG_OK) fill(nest, found, &now);
    return give(facts, &now, result);
}

/* How good a pose is to a player, above 0. */
static unsigned worth(const nplug_nest *nest, uint32_t player, const nplug_pose_facts *pose)
{
    return 1u + (nest->player.active.of[player].device == pose->device) +
           2u * (pose->position_valid + pose->orientation_valid) +
           8u * (pose->position_tracked + pose->orientation_tracked);
}

typedef struct choice {
    nplug_pose_facts best;
    unsigned worth;
} choice;

static void weigh(const nplug_nest *nest, uint32_t player, uint32_t control, choice *choice)
{
    nplug_pose_facts pose = {0};
    unsigned is;

    fill(nest, control, &pose);
    is = worth(nest, player, &pose);
    if (is <= choice->worth) return;
    choice->worth = is;
    choice->best = pose;
}

/* All that drives a player's action. */
static void choose(const nplug_nest *nest, uint32_t player, uint32_t action, choice *choice)
{
    const np_action_room *room = &nest->action;
    const np_game *game = room->game;

    for (uint32_t b = game->first_binding[action]; b != NP_NO_INDEX; b = game->bindings[b].next) {
        const np_binding *binding = &game->bindings[b];
        uint32_t link = room->sources.of_source[binding->source[0]];
        if (!np_bindings_serve(room, player, binding)) continue;
        for (; link != NP_NO_INDEX; link = room->sources.links[link].next) {
            uint32_t control = room->sources.links[link].control;
            if ((np_players_hearing(room->players, &room->controls->list[control]) >> player) & 1u)
                weigh(nest, player, control, choice);
        }
    }
}

nplug_result nplug_action_pose(const nplug_nest *nest, nplug_player player, uint32_t action,
                               nplug_pose_facts *facts)
{
    bool everyone = player == NPLUG_EVERYONE, known;
    choice choice;

    if (!nest || !facts || (!everyone && player > nest->limits.players)) return NPLUG_ERR_ARGUMENT;
    memset(&choice, 0, sizeof choice);
    choice.best.pose.orientation[3] = 1.0f;
    known = nest->game.game.used && action < nest->game.game.def.action_count;
    if (known && np_game_kind(&nest->game.game, action) != NPLUG_ACTION_POSE)
        return NPLUG_ERR_ARGUMENT;
    for (uint32_t p = everyone ? 0 : player; known && p <= nest->limits.players; p++) {
        choose(nest, p, action, &choice);
        if (!everyone) break;
    }
    return give(facts, &choice.best, choice.worth ? NPLUG_OK : NPLUG_ERR_UNKNOWN);
}

nplug_result nplug_control_pose(const nplug_nest *nest, nplug_device device, nplug_control control,
                                nplug_pose *pose)
{
    NPLUG_SIZED(nplug_pose_facts, facts);
    nplug_result result;

    if (!pose) return NPLUG_ERR_ARGUMENT;
    result = nest ? nplug_pose_info(nest, device, control, &facts) : NPLUG_ERR_ARGUMENT;
    if (!nest) facts.pose.orientation[3] = 1.0f;
    *pose = facts.pose;
    return result;
}

/* --- sensors ---------------------------------------------------------------------------------- */

nplug_result nplug_control_sensor(const nplug_nest *nest, nplug_device device,
                                  nplug_control control, float value[3])
{
    nplug_result result;
    uint32_t found;
    numbers said;

    if (!value) return NPLUG_ERR_ARGUMENT;
    value[0] = value[1] = value[2] = 0.0f;
    result = find(nest, device, control, NPLUG_NATURE_SENSOR, &found);
    if (result != NPLUG_OK) return result;
    read_numbers(nest, found, &said);
    memcpy(value, said.of, 3 * sizeof(float));
    return NPLUG_OK;
}
