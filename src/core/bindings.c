#include "bindings.h"
#include "binding_text.h"
#include "nest.h"
#include <string.h>

void np_game_forget(np_game *game)
{
    game->binding_count = game->source_count = game->use_count = 0;
    game->shaping_count = game->ramp_count = game->gesture_count = 0;
    game->filter_count = 1;
    game->ranked = false;
    memset(game->bucket, 0xff, sizeof game->bucket);
}

void np_game_layout(np_game *game, np_carve *carve, const nplug_limits *limits)
{
    game->action_limit = limits->actions;
    game->binding_limit = limits->bindings;
    game->source_limit = limits->sources;
    game->shaping_limit = limits->shapings;
    game->ramp_limit = limits->ramps;
    game->gesture_limit = limits->gestures;
    game->first_binding = (uint16_t *)np_carve_take(carve, limits->actions, sizeof(uint16_t));
    game->rules = (np_action_rule *)np_carve_take(carve, limits->actions, sizeof(np_action_rule));
    game->bindings = (np_binding *)np_carve_take(carve, limits->bindings, sizeof(np_binding));
    game->sources = (np_source *)np_carve_take(carve, limits->sources, sizeof(np_source));
    game->uses = (np_use *)np_carve_take(carve, 4u * limits->bindings, sizeof(np_use));
    game->shapings = (np_shaping *)np_carve_take(carve, limits->shapings, sizeof(np_shaping));
    np_game_forget(game);
}

/* --- sources -------------------------------------------------------------------------------- */

uint32_t np_game_source(const np_game *game, nplug_control control)
{
    uint32_t at = game->bucket[control % NP_SOURCE_BUCKETS];

    while (at != NP_NO_INDEX && game->sources[at].control != control)
        at = game->sources[at].next;
    return at;
}

uint32_t np_game_same_control(const np_game *game, uint32_t source)
{
    nplug_control control = game->sources[source].control;
    uint32_t at = game->sources[source].next;

    while (at != NP_NO_INDEX && game->sources[at].control != control)
        at = game->sources[at].next;
    return at;
}

static bool is_source(const np_source *source, np_word word, const np_shaping *shaping,
                      uint32_t filter)
{
    return source->way == word.way && source->filter == filter && source->press == shaping->press &&
           source->release == shaping->release;
}

/* The source of a word with these thresholds, made where it is not there yet. */
static uint32_t make_source(np_game *game, np_word word, const np_shaping *shaping, uint32_t filter)
{
    uint32_t found = np_game_source(game, word.control);
    np_source *source;

    while (found != NP_NO_INDEX && !is_source(&game->sources[found], word, shaping, filter))
        found = np_game_same_control(game, found);
    if (found != NP_NO_INDEX || game->source_count == game->source_limit) return found;
    found = game->source_count++;
    source = &game->sources[found];
    memset(source, 0, sizeof *source);
    source->control = word.control;
    source->way = word.way;
    source->filter = (uint8_t)filter;
    source->press = shaping->press;
    source->release = shaping->release;
    source->first_use = source->gesture = NP_NO_INDEX;
    source->next = game->bucket[word.control % NP_SOURCE_BUCKETS];
    game->bucket[word.control % NP_SOURCE_BUCKETS] = (uint16_t)found;
    return found;
}

/* Uses of one source stand in the order in which the game names them. */
static bool add_use(np_game *game, uint32_t source, uint32_t binding, uint32_t held)
{
    np_use *use = &game->uses[game->use_count];
    uint16_t *at = &game->sources[source].first_use;

    if (game->use_count == 4 * game->binding_limit) return false;
    use->binding = (uint16_t)(binding | held);
    use->next = NP_NO_INDEX;
    while (*at != NP_NO_INDEX)
        at = &game->uses[*at].next;
    *at = (uint16_t)game->use_count++;
    return true;
}

static uint32_t add_source(np_reader *in, np_word word, const np_shaping *shaping, uint32_t filter,
                           uint32_t held)
{
    uint32_t source = make_source(in->game, word, shaping, filter);

    if (source == NP_NO_INDEX)
        np_reader_fail_limit(in, "there is no room: raise limits.sources");
    else if (!add_use(in->game, source, in->game->binding_count, held))
        np_reader_fail_limit(in, "there is no room: raise limits.bindings");
    else if (held)
        in->game->sources[source].modifies++;
    return in->result == NPLUG_OK ? source : NP_NO_INDEX;
}

/* --- what bindings share -------------------------------------------------------------------- */

uint32_t np_filter_hash(const char *name, size_t length)
{
    return (uint32_t)np_hash(NP_HASH_START, name, length) | 1u;
}

static bool keep_filter(np_reader *in, uint32_t *place)
{
    np_game *game = in->game;
    uint32_t at = 0;

    while (at < game->filter_count && memcmp(&game->filters[at], &in->filter, sizeof in->filter))
        at++;
    *place = at;
    if (at < game->filter_count) return true;
    if (at == NP_FILTERS)
        return np_reader_fail_limit(in, "kind=, family= and sheet= make more than 15 sorts");
    game->filters[game->filter_count++] = in->filter;
    return true;
}

/* The binding's shaping, shared with others that are alike; where it changes nothing, none. */
static bool keep_shaping(np_reader *in, np_binding *binding)
{
    np_game *game = in->game;
    uint32_t at = 0;

    binding->shaping = binding->ramp = NP_NO_INDEX;
    if (np_shaping_is_idle(&in->shaping)) return true;
    while (at < game->shaping_count &&
           memcmp(&game->shapings[at], &in->shaping, sizeof in->shaping) != 0)
        at++;
    if (at == game->shaping_limit)
        return np_reader_fail_limit(in, "there is no room: raise limits.shapings");
    game->shapings[at] = in->shaping;
    if (at == game->shaping_count) game->shaping_count++;
    binding->shaping = (uint16_t)at;
    if (in->shaping.rise <= 0.0f && in->shaping.fall <= 0.0f) return true;
    if (game->ramp_count + in->driving_count > game->ramp_limit)
        return np_reader_fail_limit(in, "there is no room: raise limits.ramps");
    binding->ramp = (uint16_t)game->ramp_count;
    game->ramp_count += in->driving_count;
    return true;
}

/* What counts taps, for the source of a binding that wants some. */
static bool keep_gesture(np_reader *in, const np_binding *binding)
{
    np_source *source = &in->game->sources[binding->source[0]];

    if (binding->gesture == NP_GESTURE_PRESS || binding->gesture == NP_GESTURE_RELEASE) return true;
    if (source->gesture != NP_NO_INDEX) return true;
    if (in->game->gesture_count == in->game->gesture_limit)
        return np_reader_fail_limit(in, "there is no room: raise limits.gestures");
    source->gesture = (uint16_t)in->game->gesture_count++;
    return true;
}

/* --- keeping a binding ---------------------------------------------------------------------- */

static void add_to_action(np_game *game, uint32_t binding)
{
    uint16_t *at = &game->first_binding[game->bindings[binding].action];

    while (*at != NP_NO_INDEX)
        at = &game->bindings[*at].next;
    *at = (uint16_t)binding;
}

/* The sources of a chord are pressed as the usual ones are, on any device. */
static bool keep_sources(np_reader *in, np_binding *binding)
{
    np_shaping usual = np_shaping_none();
    uint32_t filter;

    usual.press = NP_PRESS;
    usual.release = NP_RELEASE;
    if (!keep_filter(in, &filter)) return false;
    for (unsigned i = 0; i < in->driving_count; i++) {
        uint32_t source = add_source(in, in->driving[i], &in->shaping, filter, 0);
        if (source == NP_NO_INDEX) return false;
        if (binding->kind != NPLUG_BUTTON) in->game->sources[source].gives++;
        binding->source[binding->source_count++] = (uint16_t)source;
    }
    for (unsigned i = 0; i < in->with_count; i++) {
        uint32_t source = add_source(in, in->with[i].any[0], &usual, 0, NP_USE_HELD);
        if (source == NP_NO_INDEX) return false;
        binding->with[binding->with_count++] = (uint16_t)source;
    }
    return true;
}

bool np_game_keep(np_reader *in)
{
    np_game *game = in->game;
    np_binding *binding = &game->bindings[game->binding_count];

    if (game->binding_count == game->binding_limit)
        return np_reader_fail_limit(in, "there is no room: raise limits.bindings");
    *binding = in->binding;
    binding->next = NP_NO_INDEX;
    binding->rank = (uint8_t)(game->layer_rank[binding->layer] * NP_CHORD + in->with_count);
    if (!keep_sources(in, binding) || !keep_shaping(in, binding) || !keep_gesture(in, binding))
        return false;
    if (binding->rank != game->bindings[0].rank) game->ranked = true;
    add_to_action(game, game->binding_count++);
    return true;
}
