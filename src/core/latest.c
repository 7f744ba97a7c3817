#include "latest.h"
#include "nest.h"

void np_latest_layout(np_latest *latest, np_carve *carve, const nplug_limits *limits)
{
    size_t players = limits->players + 1u;

    latest->order = (uint8_t *)np_carve_take(carve, players * limits->bindings, 1);
    latest->binding_limit = limits->bindings;
}

static uint8_t *order_of(nplug_nest *nest, uint32_t player, uint32_t binding)
{
    return &nest->latest.order[(size_t)player * nest->latest.binding_limit + binding];
}

/* The one that is away longest is the first. */
static void leave_rest(nplug_nest *nest, uint32_t player, uint32_t binding)
{
    const np_game *game = &nest->game;
    uint8_t last = 0;

    for (uint32_t b = game->first_binding[game->bindings[binding].action]; b != NP_NO_INDEX;
         b = game->bindings[b].next)
        if (*order_of(nest, player, b) > last) last = *order_of(nest, player, b);
    if (last < UINT8_MAX) last++;
    *order_of(nest, player, binding) = last;
}

static void come_to_rest(nplug_nest *nest, uint32_t player, uint32_t binding)
{
    const np_game *game = &nest->game;
    uint8_t order = *order_of(nest, player, binding);

    for (uint32_t b = game->first_binding[game->bindings[binding].action]; b != NP_NO_INDEX;
         b = game->bindings[b].next)
        if (*order_of(nest, player, b) > order) --*order_of(nest, player, b);
    *order_of(nest, player, binding) = 0;
}

/* What moves without ends is away from its rest until it pauses. */
static bool slides(const nplug_nest *nest, uint32_t player, uint32_t source, nplug_time time)
{
    for (uint32_t at = nest->sources.of_source[source]; at != NP_NO_INDEX;
         at = nest->sources.links[at].next) {
        const np_control *control = &nest->controls.list[nest->sources.links[at].control];
        if (control->nature != NPLUG_NATURE_DELTA || control->flags & NP_CONTROL_SPENT) continue;
        if (!((np_players_hearing(&nest->players, control) >> player) & 1u)) continue;
        if (np_devices_slides(&nest->devices, control->device, time)) return true;
    }
    return false;
}

/* What rises is away from its rest as soon as it is pressed. */
static bool is_away(nplug_nest *nest, uint32_t player, uint32_t number, nplug_time time)
{
    const np_binding *binding = &nest->game.bindings[number];
    nplug_vec2 value = np_values_of_binding(nest, player, number, time, 0);
    bool away = value.x != 0.0f || value.y != 0.0f;

    if (away || !np_layers_admit(nest, player, binding)) return away;
    for (uint32_t i = 0; i < binding->source_count && !away; i++) {
        if (!np_layers_see(&nest->layers, player, binding, binding->source[i])) continue;
        away = slides(nest, player, binding->source[i], time) ||
               (binding->ramp != NP_NO_INDEX &&
                np_sources_down(&nest->sources, player, binding->source[i]));
    }
    return away;
}

uint32_t np_latest_of(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    const np_game *game = &nest->game;
    uint32_t latest = NP_NO_INDEX;

    for (uint32_t b = game->first_binding[action]; b != NP_NO_INDEX; b = game->bindings[b].next) {
        bool away = is_away(nest, player, b, time);
        if (away == (*order_of(nest, player, b) != 0)) continue;
        if (away)
            leave_rest(nest, player, b);
        else
            come_to_rest(nest, player, b);
    }
    for (uint32_t b = game->first_binding[action]; b != NP_NO_INDEX; b = game->bindings[b].next) {
        uint8_t order = *order_of(nest, player, b);
        if (order && (latest == NP_NO_INDEX || order > *order_of(nest, player, latest))) latest = b;
    }
    return latest;
}

void np_latest_advance(nplug_nest *nest, nplug_time time)
{
    for (uint32_t i = 0; i < nest->values.dirty_count; i++) {
        uint32_t player = nest->values.dirty[i] >> 16, action = nest->values.dirty[i] & 0xffffu;
        if (nest->game.rules[action].merge == NPLUG_MERGE_LATEST)
            np_latest_of(nest, player, action, time);
    }
}

void np_latest_forget(nplug_nest *nest, uint32_t binding)
{
    for (uint32_t player = 0; player <= nest->limits.players; player++)
        if (*order_of(nest, player, binding)) come_to_rest(nest, player, binding);
}
