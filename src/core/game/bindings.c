/* Bindings as tables: sources, uses, shapings, in which places become free again.
 *
 * Owns np_game.  Comes in: bindings that were read.  Goes out: the same, found by action and by
 * source. */
#include "core/game/game.h"
#include "core/game/reader.h"
#include <stddef.h>
#include <string.h>

void np_game_forget(np_game *game)
{
    game->binding_count = game->source_count = game->use_count = 0;
    game->shaping_count = 0;
    game->filter_count = 1;
    game->ranked = game->ruled = game->timed = game->freed = false;
    memset(game->bucket, 0xff, sizeof game->bucket);
}

void np_game_layout(np_game *game, np_arena *arena, const nplug_limits *limits)
{
    static const np_array arrays[] = {NP_ARRAY(np_game, first_binding, actions, NP_ARRAY_OF),
                                      NP_ARRAY(np_game, rules, actions, NP_ARRAY_OF),
                                      NP_ARRAY(np_game, bindings, bindings, NP_ARRAY_OF),
                                      NP_ARRAY(np_game, sources, sources, NP_ARRAY_OF),
                                      NP_ARRAY(np_game, shapings, shapings, NP_ARRAY_OF)};

    game->action_limit = limits->actions;
    game->binding_limit = limits->bindings;
    game->source_limit = limits->sources;
    game->shaping_limit = limits->shapings;
    game->ramp_limit = limits->ramps;
    game->gesture_limit = limits->gestures;
    np_arena_lay(arena, game, limits, arrays, sizeof arrays / sizeof *arrays);
    game->uses = (np_use *)np_arena_take(arena, 4u * limits->bindings, sizeof(np_use));
    game->kept = (uint8_t *)np_arena_take(arena, (limits->shapings + 7u) / 8u, 1);
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

static bool is_source(const np_source *source, nplug_source word, const np_shaping *shaping,
                      uint32_t filter)
{
    return source->way == word.way && source->filter == filter && source->press == shaping->press &&
           source->release == shaping->release;
}

static uint32_t place_of_source(np_game *game)
{
    for (uint32_t i = 0; game->freed && i < game->source_count; i++)
        if (game->sources[i].control == 0) return i;
    return game->source_count < game->source_limit ? game->source_count++ : NP_NO_INDEX;
}

/* The source of a word with these thresholds, made where it is not there yet. */
static uint32_t make_source(np_game *game, nplug_source word, const np_shaping *shaping,
                            uint32_t filter)
{
    uint32_t found = np_game_source(game, word.control);
    np_source *source;

    while (found != NP_NO_INDEX && !is_source(&game->sources[found], word, shaping, filter))
        found = np_game_same_control(game, found);
    if (found != NP_NO_INDEX) return found;
    found = place_of_source(game);
    if (found == NP_NO_INDEX) return found;
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

static uint32_t place_of_use(np_game *game)
{
    for (uint32_t i = 0; game->freed && i < game->use_count; i++)
        if (game->uses[i].binding == NP_NO_INDEX) return i;
    return game->use_count < 4 * game->binding_limit ? game->use_count++ : NP_NO_INDEX;
}

/* Uses of one source stand in the order in which the game names them. */
static bool add_use(np_game *game, uint32_t source, uint32_t binding, uint32_t held)
{
    uint32_t place = place_of_use(game);
    uint16_t *at = &game->sources[source].first_use;

    if (place == NP_NO_INDEX) return false;
    game->uses[place].binding = (uint16_t)(binding | held);
    game->uses[place].next = NP_NO_INDEX;
    while (*at != NP_NO_INDEX)
        at = &game->uses[*at].next;
    *at = (uint16_t)place;
    return true;
}

static uint32_t add_source(np_reader *in, nplug_source word, const np_shaping *shaping,
                           uint32_t filter, uint32_t held)
{
    uint32_t source = make_source(in->game, word, shaping, filter);

    if (source == NP_NO_INDEX)
        np_reader_fail_limit(in, "there is no room: raise limits.sources");
    else if (!add_use(in->game, source, in->kept, held))
        np_reader_fail_limit(in, "there is no room: raise limits.bindings");
    else if (held)
        in->game->sources[source].modifies++;
    return in->result == NPLUG_OK ? source : NP_NO_INDEX;
}

/* --- what bindings share -------------------------------------------------------------------- */

/* Up to the last member: the bytes that fill the struct up are nobody's. */
static bool is_same_filter(const np_filter *a, const np_filter *b)
{
    return memcmp(a, b, offsetof(np_filter, main) + sizeof a->main) == 0;
}

static bool keep_filter(np_reader *in, uint32_t *place)
{
    np_game *game = in->game;
    uint32_t at = 0;

    while (at < game->filter_count && !is_same_filter(&game->filters[at], &in->filter))
        at++;
    *place = at;
    if (at < game->filter_count) return true;
    if (at == NP_FILTERS)
        return np_reader_fail_limit(in, "kind=, family= and sheet= make more than 15 sorts");
    game->filters[game->filter_count++] = in->filter;
    return true;
}

static bool is_shaping_idle(const np_game *game, uint32_t shaping)
{
    if (game->kept[shaping / 8] & (1u << (shaping % 8))) return false;
    for (uint32_t i = 0; i < game->binding_count; i++)
        if (game->bindings[i].action != NP_NO_INDEX && game->bindings[i].shaping == shaping)
            return false;
    return true;
}

/* The place of a shaping that is alike, or else of a free one; the limit where there is none. */
static uint32_t place_of_shaping(const np_game *game, const np_shaping *shaping)
{
    for (uint32_t i = 0; i < game->shaping_count; i++)
        if (np_shaping_is_same(&game->shapings[i], shaping)) return i;
    for (uint32_t i = 0; game->freed && i < game->shaping_count; i++)
        if (is_shaping_idle(game, i)) return i;
    return game->shaping_count;
}

/* Puts a shaping there; false where there is no room. */
static bool put_shaping(np_game *game, const np_shaping *shaping, uint16_t *place)
{
    uint32_t at = place_of_shaping(game, shaping);

    if (at == game->shaping_limit) return false;
    game->shapings[at] = *shaping;
    if (at == game->shaping_count) game->shaping_count++;
    *place = (uint16_t)at;
    return true;
}

static void set_kept(np_game *game, uint16_t shaping, bool kept)
{
    uint8_t bit = (uint8_t)(1u << (shaping % 8));

    if (shaping == NP_NO_INDEX) return;
    game->kept[shaping / 8] =
        (uint8_t)(kept ? game->kept[shaping / 8] | bit : game->kept[shaping / 8] & ~bit);
}

bool np_game_keep_shaping(np_game *game, const np_shaping *shaping, uint16_t *place)
{
    uint16_t found = NP_NO_INDEX;

    set_kept(game, *place, false);
    game->freed = true;
    if (!np_shaping_is_idle(shaping) && !put_shaping(game, shaping, &found)) {
        set_kept(game, *place, true);
        return false;
    }
    set_kept(game, found, true);
    *place = found;
    return true;
}

static float sane(float value)
{
    return value > 1.0f ? 1.0f : value >= -1.0f ? value : value < -1.0f ? -1.0f : 0.0f;
}

nplug_vec2 np_game_shape(const np_game *game, const np_shaping *shaping, nplug_vec2 value)
{
    const nplug_shaper *own;

    if (!shaping || !shaping->own) return value;
    own = np_shaper_row(&game->def, shaping->own - 1);
    own->shape(own->user, &value);
    value.x = sane(value.x);
    value.y = sane(value.y);
    return value;
}

/* The first of so many ramps in a row that no binding has; the limit where there are none. */
static uint32_t place_of_ramps(const np_game *game, uint32_t count)
{
    uint32_t at = 0;

    for (uint32_t i = 0; i < game->binding_count; i++) {
        const np_binding *binding = &game->bindings[i];
        if (binding->action == NP_NO_INDEX || binding->ramp == NP_NO_INDEX) continue;
        if (at + count <= binding->ramp || at >= (uint32_t)binding->ramp + binding->source_count)
            continue;
        at = (uint32_t)binding->ramp + binding->source_count;
        i = UINT32_MAX; /* from the first binding again */
    }
    return at + count <= game->ramp_limit ? at : game->ramp_limit;
}

/* The binding's shaping, shared with others that are alike; where it changes nothing, none. */
static bool keep_shaping(np_reader *in, np_binding *binding)
{
    np_game *game = in->game;
    uint32_t ramp;

    if (np_shaping_is_idle(&in->shaping)) return true;
    if (!put_shaping(game, &in->shaping, &binding->shaping))
        return np_reader_fail_limit(in, "there is no room: raise limits.shapings");
    if (in->shaping.rise <= 0.0f && in->shaping.fall <= 0.0f) return true;
    ramp = place_of_ramps(game, in->driving_count);
    if (ramp == game->ramp_limit)
        return np_reader_fail_limit(in, "there is no room: raise limits.ramps");
    binding->ramp = (uint16_t)ramp;
    return true;
}

/* The first place that no source's machine has; the limit where there is none. */
static uint32_t place_of_gesture(const np_game *game)
{
    for (uint32_t at = 0; at < game->gesture_limit; at++) {
        bool taken = false;
        for (uint32_t i = 0; !taken && i < game->source_count; i++)
            taken = game->sources[i].control && game->sources[i].gesture == at;
        if (!taken) return at;
    }
    return game->gesture_limit;
}

/* What counts taps, for the source of a binding that wants some. */
static bool keep_gesture(np_reader *in, const np_binding *binding)
{
    np_source *source = &in->game->sources[binding->source[0]];

    if (binding->gesture == NPLUG_GESTURE_PRESS || binding->gesture == NPLUG_GESTURE_RELEASE)
        return true;
    if (source->gesture != NP_NO_INDEX) return true;
    source->gesture = (uint16_t)place_of_gesture(in->game);
    if (source->gesture < in->game->gesture_limit) return true;
    source->gesture = NP_NO_INDEX;
    return np_reader_fail_limit(in, "there is no room: raise limits.gestures");
}

/* --- keeping a binding ---------------------------------------------------------------------- */

static void add_to_action(np_game *game, uint32_t binding)
{
    uint16_t *at = &game->first_binding[game->bindings[binding].action];

    while (*at != NP_NO_INDEX)
        at = &game->bindings[*at].next;
    *at = (uint16_t)binding;
}

/* Whether it matters when a binding's value changes, and not only to which one. */
static bool must_see_all(const np_game *game, const np_binding *binding)
{
    return binding->kind == NPLUG_ACTION_MOTION ||
           (binding->kind != NPLUG_ACTION_BUTTON &&
            game->rules[binding->action].merge == NPLUG_MERGE_LATEST);
}

/* A binding reads a source's value from now on, or no more. */
static void count_giving(np_game *game, uint32_t source, const np_binding *binding, int by)
{
    np_source *about = &game->sources[source];

    if (!np_kind_gives_values((nplug_action_kind)binding->kind)) return;
    about->gives = (uint16_t)(about->gives + by);
    if (must_see_all(game, binding)) about->watched = (uint16_t)(about->watched + by);
}

static bool keep_driving(np_reader *in, np_binding *binding)
{
    for (unsigned i = 0; i < in->driving_count; i++) {
        nplug_source word = np_reader_resolved(in, in->driving[i]);
        uint32_t source, filter;
        if (!keep_filter(in, &filter)) return false;
        source = add_source(in, word, &in->shaping, filter, 0);
        if (source == NP_NO_INDEX) return false;
        count_giving(in->game, source, binding, 1);
        binding->source[binding->source_count++] = (uint16_t)source;
    }
    return true;
}

/* The sources that a chord needs held are pressed as the usual ones are, on any device. */
static bool keep_held(np_reader *in, np_binding *binding)
{
    np_shaping usual = np_shaping_none();
    np_filter wanted = in->filter;

    usual.press = NP_PRESS;
    usual.release = NP_RELEASE;
    memset(&in->filter, 0, sizeof in->filter);
    for (unsigned i = 0; i < in->with_count; i++) {
        nplug_source word = np_reader_resolved(in, in->with[i].any[0]);
        uint32_t source, filter;
        if (!keep_filter(in, &filter)) return false;
        source = add_source(in, word, &usual, filter, NP_USE_HELD);
        if (source == NP_NO_INDEX) return false;
        binding->with[binding->with_count++] = (uint16_t)source;
    }
    in->filter = wanted;
    return true;
}

static uint32_t place_of_binding(np_game *game)
{
    for (uint32_t i = 0; game->freed && i < game->binding_count; i++)
        if (game->bindings[i].action == NP_NO_INDEX) return i;
    return game->binding_count < game->binding_limit ? game->binding_count++ : NP_NO_INDEX;
}

/* A press and a release are all that most bindings want of their source. */
static bool is_odd(const np_binding *binding)
{
    return binding->shape != NP_SHAPE_ONE || binding->gesture != NPLUG_GESTURE_PRESS ||
           binding->with_count || binding->ramp != NP_NO_INDEX;
}

static void count_odd(np_game *game, const np_binding *binding, int by)
{
    for (uint32_t i = 0; is_odd(binding) && i < binding->source_count; i++) {
        np_source *source = &game->sources[binding->source[i]];
        source->odd = (uint16_t)(source->odd + by);
    }
}

static bool is_delta(const np_game *game, const np_binding *binding)
{
    nplug_control control = game->sources[binding->source[0]].control;

    return nplug_control_nature(control, NULL) == NPLUG_NATURE_DELTA;
}

bool np_game_keep(np_reader *in)
{
    np_game *game = in->game;
    np_binding *binding;

    in->kept = place_of_binding(game);
    if (in->kept == NP_NO_INDEX)
        return np_reader_fail_limit(in, "there is no room: raise limits.bindings");
    binding = &game->bindings[in->kept];
    *binding = in->binding;
    binding->next = binding->shaping = binding->ramp = NP_NO_INDEX;
    binding->rank = (uint8_t)(game->layer_rank[binding->layer] * NP_CHORD + in->with_count);
    if (binding->rank != game->bindings[0].rank) game->ranked = true;
    add_to_action(game, in->kept);
    if (!keep_driving(in, binding) || !keep_held(in, binding) || !keep_shaping(in, binding))
        return false;
    count_odd(game, binding, 1);
    binding->counted = 1;
    binding->moves = is_delta(game, binding);
    return keep_gesture(in, binding);
}

/* --- dropping one --------------------------------------------------------------------------- */

static void drop_uses(np_game *game, uint32_t source, uint32_t binding)
{
    np_source *about = &game->sources[source];
    uint16_t *at = &about->first_use;

    while (*at != NP_NO_INDEX) {
        np_use *use = &game->uses[*at];
        if (np_use_binding(use) != binding) {
            at = &use->next;
            continue;
        }
        if (np_use_is_held(use))
            about->modifies--;
        else
            count_giving(game, source, &game->bindings[binding], -1);
        *at = use->next;
        use->binding = NP_NO_INDEX;
    }
}

void np_game_drop(np_game *game, uint32_t binding)
{
    np_binding *about = &game->bindings[binding];
    uint16_t *at = &game->first_binding[about->action];

    while (*at != binding)
        at = &game->bindings[*at].next;
    *at = about->next;
    if (about->counted) count_odd(game, about, -1);
    for (uint32_t i = 0; i < about->source_count; i++)
        drop_uses(game, about->source[i], binding);
    for (uint32_t i = 0; i < about->with_count; i++)
        drop_uses(game, about->with[i], binding);
    about->action = NP_NO_INDEX;
    game->freed = true;
}

uint32_t np_game_idle_source(const np_game *game)
{
    for (uint32_t i = 0; i < game->source_count; i++)
        if (game->sources[i].control && game->sources[i].first_use == NP_NO_INDEX) return i;
    return NP_NO_INDEX;
}

void np_game_drop_source(np_game *game, uint32_t source)
{
    np_source *about = &game->sources[source];
    uint16_t *at = &game->bucket[about->control % NP_SOURCE_BUCKETS];

    while (*at != source)
        at = &game->sources[*at].next;
    *at = about->next;
    about->control = 0;
}

void np_game_set_players(np_game *game, uint32_t binding, uint32_t players)
{
    game->bindings[binding].players = players;
}

uint32_t np_game_last(const np_game *game, uint32_t action)
{
    uint32_t last = NP_NO_INDEX;

    for (uint32_t b = game->first_binding[action]; b != NP_NO_INDEX; b = game->bindings[b].next)
        last = b;
    return last;
}
