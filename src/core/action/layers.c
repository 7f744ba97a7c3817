/* Layers: which are on for whom, and which bindings may see a control.
 *
 * Owns np_layers.  Comes in: commands that switch; chords that are held or let go.  Goes out:
 * bindings that are cancelled, since something of a higher rank takes their control. */
#include "core/action/inside.h"

void np_layers_begin(np_layers *layers, const np_game *game)
{
    uint32_t on = game->def.layers ? 0 : 1;

    for (uint32_t i = 0; i < game->def.layer_count; i++)
        on |= (uint32_t)np_layer_row(&game->def, i)->on << i;
    for (uint32_t p = 0; p <= game->def.players; p++)
        layers->on[p] = on;
}

bool np_layers_admit(const np_action_room *room, uint32_t player, const np_binding *binding)
{
    if (!np_layers_on(&room->layers, player, binding->layer)) return false;
    if (!((binding->players >> player) & 1u)) return false;
    for (uint32_t i = 0; i < binding->with_count; i++)
        if (!np_gestures_held(&room->gestures, &room->sources, player, binding->with[i]))
            return false;
    return true;
}

/* --- who takes a control -------------------------------------------------------------------- */

/* The highest rank that takes a source's control from others; 0 where nothing does. */
static uint8_t rank_on(const np_action_room *room, uint32_t player, uint32_t source)
{
    const np_game *game = room->game;
    uint8_t rank = 0;

    if (room->sources.of_source[source] == NP_NO_INDEX) return 0;
    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        const np_binding *binding = &game->bindings[np_use_binding(&game->uses[at])];
        if (np_use_is_held(&game->uses[at]) || binding->observes || binding->rank <= rank) continue;
        if (np_layers_admit(room, player, binding)) rank = binding->rank;
    }
    return rank;
}

/* A source is another one's to see from now on. */
static void set_cover(np_action_room *room, uint32_t player, uint32_t source, uint8_t rank,
                      nplug_time time)
{
    uint8_t *cover = &room->layers.cover[(size_t)player * room->layers.source_limit + source];
    const np_game *game = room->game;
    np_change change = {time, NP_NONE, 0, 0, true};
    uint8_t higher = *cover > rank ? *cover : rank;
    bool any = false;

    if (*cover == rank) return;
    *cover = rank;
    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t binding = np_use_binding(&game->uses[at]);
        if (np_use_is_held(&game->uses[at])) continue;
        np_marks_action(room, player, game->bindings[binding].action);
        any |= game->bindings[binding].rank < higher;
        if (game->bindings[binding].rank < rank) np_presses_cancel(room, player, binding, &change);
    }
    room->layers.changes += any;
}

/* A place among all that share a control with a source, whatever they call it: the next link from
 * one on, of the same control or of the next one; NP_NO_INDEX at the end. */
typedef struct np_beside {
    uint16_t of_source, of_control;
} np_beside;

static np_beside first_beside(const np_sources *sources, uint32_t source)
{
    uint16_t at = sources->of_source[source];
    np_beside beside = {at, NP_NO_INDEX};

    if (at != NP_NO_INDEX) beside.of_control = sources->of_control[sources->links[at].control];
    return beside;
}

static void next_beside(const np_sources *sources, np_beside *beside)
{
    beside->of_control = sources->links[beside->of_control].of_control;
    if (beside->of_control != NP_NO_INDEX) return;
    beside->of_source = sources->links[beside->of_source].next;
    if (beside->of_source == NP_NO_INDEX) return;
    beside->of_control = sources->of_control[sources->links[beside->of_source].control];
}

/* A source is taken by whatever names one of its controls. */
static void cover_source(np_action_room *room, uint32_t player, uint32_t source, nplug_time time)
{
    const np_sources *sources = &room->sources;
    uint8_t rank = 0;

    for (np_beside at = first_beside(sources, source); at.of_control != NP_NO_INDEX;
         next_beside(sources, &at)) {
        uint8_t found = rank_on(room, player, sources->links[at.of_control].source);
        if (found > rank) rank = found;
    }
    set_cover(room, player, source, rank, time);
}

void np_layers_cover_binding(np_action_room *room, uint32_t player, uint32_t binding,
                             nplug_time time)
{
    const np_binding *about = &room->game->bindings[binding];
    const np_sources *sources = &room->sources;

    if (!room->game->ranked) return;
    for (uint32_t i = 0; i < about->source_count; i++)
        for (np_beside at = first_beside(sources, about->source[i]); at.of_control != NP_NO_INDEX;
             next_beside(sources, &at))
            cover_source(room, player, sources->links[at.of_control].source, time);
}

static void cover_player(np_action_room *room, uint32_t player, nplug_time time)
{
    const np_game *game = room->game;

    for (uint32_t i = 0; game->ranked && i < game->source_count; i++)
        if (game->sources[i].control) cover_source(room, player, i, time);
}

void np_layers_cover_all(np_action_room *room, nplug_time time)
{
    for (uint32_t player = 0; player <= room->limits->players; player++)
        cover_player(room, player, time);
}

/* --- switching ------------------------------------------------------------------------------ */

static void drop_layer(np_action_room *room, uint32_t player, uint32_t layer, nplug_time time)
{
    np_change change = {time, NP_NONE, 0, 0, true};

    for (uint32_t b = 0; b < room->game->binding_count; b++)
        if (room->game->bindings[b].layer == layer) np_presses_cancel(room, player, b, &change);
}

static void mark_layer(np_action_room *room, uint32_t player, uint32_t layer)
{
    for (uint32_t a = 0; a < room->game->def.action_count; a++)
        if (np_game_action(room->game, a)->layer == layer) np_marks_drop_kept(room, player, a);
}

static void switch_for(np_action_room *room, uint32_t player, uint32_t layer, bool on,
                       nplug_time time)
{
    if (np_layers_on(&room->layers, player, layer) == on) return;
    if (!on) drop_layer(room, player, layer, time);
    room->layers.on[player] ^= 1u << layer;
    mark_layer(room, player, layer);
    cover_player(room, player, time);
}

void np_layers_switch(np_action_room *room, const nplug_command *command, nplug_time time)
{
    for (uint32_t player = 0; player <= room->limits->players; player++)
        if (command->player == 0 || command->player == player)
            switch_for(room, player, command->number, command->on != 0, time);
}

bool np_bindings_may_serve(const np_action_room *room, uint32_t player, const np_binding *binding)
{
    return np_layers_on(&room->layers, player, binding->layer) &&
           np_layers_see(&room->layers, player, binding, binding->source[0]);
}

bool np_bindings_serve(const np_action_room *room, uint32_t player, const np_binding *binding)
{
    return np_layers_admit(room, player, binding) &&
           np_layers_see(&room->layers, player, binding, binding->source[0]);
}
