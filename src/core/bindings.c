#include "bindings.h"
#include "binding_text.h"
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
    game->shaping_limit = limits->shapings;
    game->ramp_limit = limits->ramps;
    game->shapings = (np_shaping *)np_carve_take(carve, limits->shapings, sizeof(np_shaping));
    memset(game->bucket, 0xff, sizeof game->bucket);
}

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
    game->shaping_count = game->ramp_count = 0;
    memset(game->bucket, 0xff, sizeof game->bucket);
}

static nplug_result compile(nplug_nest *nest, np_game *game)
{
    const nplug_game *def = &game->def;
    np_reader in;

    memset(&in, 0, sizeof in);
    in.nest = nest;
    in.game = game;
    for (uint32_t i = 0; i < def->action_count; i++) {
        in.action = np_game_action(game, i);
        in.number = i;
        if (!is_sound(in.action)) return NPLUG_ERR_ARGUMENT;
        game->first_binding[i] = (uint16_t)game->binding_count;
        if (!np_action_read(&in)) return in.result;
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
