#include "bindings.h"
#include "nest.h"
#include <string.h>

void np_game_layout(np_game *game, np_carve *carve, const nplug_limits *limits)
{
    game->action_limit = limits->actions;
    game->binding_limit = limits->bindings;
    game->source_limit = limits->sources;
    game->first_binding = (uint16_t *)np_carve_take(carve, limits->actions + 1u, sizeof(uint16_t));
    game->bindings = (np_binding *)np_carve_take(carve, limits->bindings, sizeof(np_binding));
    game->sources = (np_source *)np_carve_take(carve, limits->sources, sizeof(np_source));
    game->uses = (np_use *)np_carve_take(carve, 4u * limits->bindings, sizeof(np_use));
    memset(game->bucket, 0xff, sizeof game->bucket);
}

uint32_t np_game_source(const np_game *game, nplug_control control)
{
    uint32_t at = game->bucket[control % NP_SOURCE_BUCKETS];

    while (at != NP_NO_INDEX && game->sources[at].control != control)
        at = game->sources[at].next;
    return at;
}

/* --- reading binding texts ------------------------------------------------------------------ */

/* Where in a game the reader stands, and what stopped it. */
typedef struct reader {
    nplug_nest *nest;
    np_game *game;
    const nplug_action_def *action;
    uint32_t number; /* the action's */
    const char *at, *end;
    nplug_result result;
} reader;

/* Says what is wrong: `action "steer", column 12: WHAT`; where it concerns one word, names it. */
static bool fail(reader *in, const char *what, const char *word, size_t length)
{
    char line[256];
    np_text text = np_text_in(line, sizeof line);

    np_text_add(&text, "action \"");
    np_text_add(&text, in->action->name);
    np_text_add(&text, "\", column ");
    np_text_add_number(&text, (uint64_t)((word ? word : in->at) - in->action->from) + 1);
    np_text_add(&text, ": ");
    if (word) {
        np_text_add(&text, "\"");
        np_text_add_bytes(&text, word, length);
        np_text_add(&text, "\" ");
    }
    np_text_add(&text, what);
    np_log_line(in->nest, line);
    if (in->result == NPLUG_OK) in->result = NPLUG_ERR_BINDING;
    return false;
}

static bool fail_limit(reader *in, const char *limit)
{
    fail(in, limit, NULL, 0);
    in->result = NPLUG_ERR_FULL;
    return false;
}

static bool fail_name(reader *in, const char *full, const char *word, size_t length)
{
    nplug_control near = nplug_control_nearest(full, strlen(full));
    char name[48], what[96];
    np_text text = np_text_in(what, sizeof what);

    np_text_add(&text, "is no control");
    if (near) {
        nplug_control_name(near, name, sizeof name);
        np_text_add(&text, "; did you mean ");
        np_text_add(&text, name);
        np_text_add(&text, "?");
    }
    return fail(in, what, word, length);
}

static uint32_t make_source(np_game *game, nplug_control control)
{
    uint32_t found = np_game_source(game, control);
    np_source *source;

    if (found != NP_NO_INDEX || game->source_count == game->source_limit) return found;
    found = game->source_count++;
    source = &game->sources[found];
    source->control = control;
    source->first_use = NP_NO_INDEX;
    source->next = game->bucket[control % NP_SOURCE_BUCKETS];
    game->bucket[control % NP_SOURCE_BUCKETS] = (uint16_t)found;
    return found;
}

static bool add_source(reader *in, np_binding *binding, nplug_control control)
{
    np_game *game = in->game;
    uint32_t source = make_source(game, control);
    np_use *use = &game->uses[game->use_count];
    uint16_t *at;

    if (source == NP_NO_INDEX) return fail_limit(in, "there is no room: raise limits.sources");
    binding->source[binding->source_count++] = (uint16_t)source;
    use->binding = (uint16_t)game->binding_count;
    use->next = NP_NO_INDEX;
    for (at = &game->sources[source].first_use; *at != NP_NO_INDEX;)
        at = &game->uses[*at].next;
    *at = (uint16_t)game->use_count++;
    return true;
}

/* One control's word up to ',', a blank or the end; `class_` is put before it where it has none. */
static bool read_control(reader *in, np_binding *binding, const char *class_)
{
    const char *word = in->at;
    char full[64];
    np_text text = np_text_in(full, sizeof full);
    nplug_control control;

    while (in->at < in->end && *in->at != ',' && *in->at != ' ')
        in->at++;
    if (in->at == word) return fail(in, "a control is missing", NULL, 0);
    np_text_add(&text, class_);
    np_text_add_bytes(&text, word, (size_t)(in->at - word));
    control = nplug_control_from_name(full, text.length);
    if (!control) return fail_name(in, full, word, (size_t)(in->at - word));
    return add_source(in, binding, control);
}

static bool starts_with(const reader *in, const char *word)
{
    size_t length = strlen(word);
    return (size_t)(in->end - in->at) >= length && memcmp(in->at, word, length) == 0;
}

static bool read_keys(reader *in, np_binding *binding)
{
    const char *word = in->at;

    in->at += strlen("keys:");
    while (binding->source_count < 4) {
        if (!read_control(in, binding, "key:")) return false;
        if (in->at == in->end || *in->at != ',' || binding->source_count == 4) break;
        in->at++;
    }
    if (in->at < in->end && *in->at == ',')
        return fail(in, "four keys at most may make one binding", NULL, 0);
    if (binding->source_count != 2 && binding->source_count != 4)
        return fail(in, "needs two keys (a level) or four (a vector: up, down, left, right)", word,
                    (size_t)(in->at - word));
    binding->shape = binding->source_count == 2 ? NP_SHAPE_PAIR : NP_SHAPE_CROSS;
    return true;
}

/* "hold=600" after a source. */
static bool read_option(reader *in, np_binding *binding)
{
    const char *word = in->at;
    uint64_t ms = 0;

    if (!starts_with(in, "hold=")) {
        while (in->at < in->end && *in->at != ' ')
            in->at++;
        return fail(in, "is no option; hold=MILLISECONDS is", word, (size_t)(in->at - word));
    }
    for (in->at += strlen("hold="); in->at < in->end && *in->at != ' '; in->at++) {
        if (*in->at < '0' || *in->at > '9' || ms > 1000000) break;
        ms = ms * 10 + (uint64_t)(*in->at - '0');
    }
    if (ms == 0 || ms > 1000000 || (in->at < in->end && *in->at != ' '))
        return fail(in, "hold= takes 1 to 1000000 milliseconds", NULL, 0);
    binding->hold = ms * 1000;
    return true;
}

static void skip_blanks(reader *in)
{
    while (in->at < in->end && *in->at == ' ')
        in->at++;
}

/* Which shapes and natures an action of a kind can take. */
static bool check_kind(reader *in, const np_binding *binding, const char *word)
{
    size_t length = (size_t)(in->at - word);
    nplug_control first = in->game->sources[binding->source[0]].control;
    unsigned components = 1;
    nplug_nature nature = nplug_control_nature(first, &components);

    if (in->action->kind == NPLUG_MOTION && nature != NPLUG_NATURE_DELTA)
        return fail(in, "does not move anything: a motion takes mouse:move or mouse:wheel", word,
                    length);
    if (in->action->kind != NPLUG_MOTION && nature == NPLUG_NATURE_DELTA)
        return fail(in, "moves: it can drive a motion only", word, length);
    if (in->action->kind == NPLUG_VECTOR && binding->shape != NP_SHAPE_CROSS && components != 2)
        return fail(in, "has one direction: a vector takes a stick or four keys", word, length);
    if (in->action->kind == NPLUG_LEVEL && binding->shape == NP_SHAPE_CROSS)
        return fail(in, "are four keys: a level takes one or two", word, length);
    if (in->action->kind == NPLUG_BUTTON && (binding->shape != NP_SHAPE_ONE || components != 1))
        return fail(in, "has no single press: a button takes a button, a key or a trigger", word,
                    length);
    if (in->action->kind != NPLUG_BUTTON && binding->hold)
        return fail(in, "hold= is for buttons", word, length);
    return true;
}

static bool read_binding(reader *in)
{
    np_binding *binding = &in->game->bindings[in->game->binding_count];
    const char *word = in->at;

    if (in->game->binding_count == in->game->binding_limit)
        return fail_limit(in, "there is no room: raise limits.bindings");
    memset(binding, 0, sizeof *binding);
    binding->action = (uint16_t)in->number;
    if (starts_with(in, "keys:") ? !read_keys(in, binding) : !read_control(in, binding, ""))
        return false;
    if (in->at < in->end && *in->at == ',')
        return fail(in, "several controls go with keys: only", NULL, 0);
    for (skip_blanks(in); in->at < in->end; skip_blanks(in))
        if (!read_option(in, binding)) return false;
    if (!check_kind(in, binding, word)) return false;
    in->game->binding_count++;
    return true;
}

/* The bindings of one action, parted by '|'. */
static bool read_action(reader *in)
{
    const char *from = in->action->from ? in->action->from : "";
    const char *stop = from + strlen(from);

    in->at = from;
    for (skip_blanks(in); in->at < stop;) {
        in->end = (const char *)memchr(in->at, '|', (size_t)(stop - in->at));
        if (!in->end) in->end = stop;
        skip_blanks(in);
        if (!read_binding(in)) return false;
        in->at = in->end < stop ? in->end + 1 : stop;
    }
    return true;
}

/* --- taking a game -------------------------------------------------------------------------- */

static uint64_t hash_word(uint64_t hash, const char *word)
{
    return np_hash(hash, word ? word : "", strlen(word ? word : "") + 1);
}

static uint64_t digest_game(const np_game *game)
{
    const nplug_game *def = &game->def;
    np_digest digest = {hash_word(NP_HASH_START, def->name)};

    np_digest_u64(&digest, ((uint64_t)def->seats << 32) | def->players);
    for (uint32_t i = 0; i < def->action_count; i++) {
        const nplug_action_def *action = np_game_action(game, i);
        digest.hash = hash_word(hash_word(digest.hash, action->name), action->from);
        np_digest_u64(&digest, ((uint64_t)action->kind << 32) | action->layer);
    }
    return digest.hash;
}

static bool is_sound(const nplug_action_def *action)
{
    return action->name && (unsigned)action->kind <= NPLUG_MOTION && action->layer < 32;
}

static void forget_game(np_game *game)
{
    game->binding_count = game->source_count = game->use_count = 0;
    memset(game->bucket, 0xff, sizeof game->bucket);
}

static nplug_result compile(nplug_nest *nest, np_game *game)
{
    const nplug_game *def = &game->def;
    reader in = {nest, game, NULL, 0, NULL, NULL, NPLUG_OK};

    for (uint32_t i = 0; i < def->action_count; i++) {
        in.action = np_game_action(game, i);
        in.number = i;
        if (!is_sound(in.action)) return NPLUG_ERR_ARGUMENT;
        game->first_binding[i] = (uint16_t)game->binding_count;
        if (!read_action(&in)) return in.result;
    }
    game->first_binding[def->action_count] = (uint16_t)game->binding_count;
    return NPLUG_OK;
}

static nplug_result check_game(const nplug_nest *nest, const nplug_game *def)
{
    if (!nest || !def || (def->action_count && !def->actions)) return NPLUG_ERR_ARGUMENT;
    if (def->size != sizeof *def || def->action_size < sizeof(nplug_action_def))
        return NPLUG_ERR_SIZE;
    if (nest->started) return NPLUG_ERR_ORDER;
    if ((unsigned)def->seats > NPLUG_SEATS_BY_CALL) return NPLUG_ERR_ARGUMENT;
    if (def->action_count > nest->limits.actions || def->players > nest->limits.players)
        return NPLUG_ERR_FULL;
    return NPLUG_OK;
}

nplug_result nplug_use_game(nplug_nest *nest, const nplug_game *def)
{
    nplug_result result = check_game(nest, def);
    np_game *game;

    if (result != NPLUG_OK) return result;
    game = &nest->game;
    forget_game(game);
    game->used = false;
    game->def = *def;
    result = compile(nest, game);
    if (result != NPLUG_OK) {
        forget_game(game);
        return result;
    }
    if (game->def.players == 0) game->def.players = 1;
    game->digest = digest_game(game);
    game->used = true;
    np_players_begin(&nest->players, game);
    return NPLUG_OK;
}

uint64_t nplug_game_digest(const nplug_nest *nest)
{
    return nest && nest->game.used ? nest->game.digest : 0;
}
