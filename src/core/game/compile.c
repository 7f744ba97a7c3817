/* Taking a game: its tables are checked, and its bindings compiled.
 *
 * Owns np_game.def, its rules and its digest.  Comes in: a game's tables.  Goes out: a game that is
 * used, or why not. */
#include "core/game/game.h"
#include "core/game/reader.h"
#include <string.h>

static uint64_t hash_word(uint64_t hash, const char *word)
{
    return np_hash(hash, word ? word : "", strlen(word ? word : "") + 1);
}

static void digest_rules(np_digest *digest, const nplug_game *def)
{
    for (uint32_t i = 0; i < def->layer_count; i++) {
        digest->hash = hash_word(digest->hash, np_layer_row(def, i)->name);
        np_digest_u64(digest, ((uint64_t)np_layer_row(def, i)->on << 32) |
                                  (uint32_t)np_layer_row(def, i)->priority);
    }
    for (uint32_t i = 0; i < def->policy_count; i++) {
        const nplug_action_policy *rule = np_policy_row(def, i);
        np_digest_u64(digest, ((uint64_t)rule->action << 32) | rule->one_of);
        np_digest_u64(digest, ((uint64_t)rule->merge << 32) | rule->opposite | rule->keep << 8 |
                                  (uint64_t)rule->stays << 16);
        for (uint32_t b = 0; b < rule->band_count; b++) {
            digest->hash = hash_word(digest->hash, rule->bands[b].name);
            np_digest_float(digest, rule->bands[b].begin);
        }
    }
}

static void digest_seats(np_digest *digest, const nplug_game *def)
{
    digest->hash = hash_word(hash_word(digest->hash, def->join), def->leave);
    np_digest_u64(digest, ((uint64_t)def->seat_kinds << 32) | def->unfocused_kinds);
    np_digest_u64(digest, ((uint64_t)def->seat_wait_ms << 32) | def->wobble_ms);
    for (uint32_t i = 0; i < def->part_count; i++)
        digest->hash = hash_word(hash_word(digest->hash, np_part_row(def, i)->name),
                                 np_part_row(def, i)->keys);
}

static void digest_zones(np_digest *digest, const nplug_game *def)
{
    for (uint32_t i = 0; i < def->zone_count; i++) {
        const nplug_zone_def *zone = np_zone_row(def, i);
        const float numbers[] = {zone->x, zone->y, zone->width, zone->height, zone->reach};
        digest->hash = hash_word(hash_word(digest->hash, zone->name), zone->as);
        np_digest_u64(digest, ((uint64_t)zone->kind << 32) | zone->layer);
        np_digest_u64(digest, ((uint64_t)zone->part << 32) | (uint32_t)zone->priority);
        np_digest_u64(digest, ((uint64_t)zone->corner << 32) | zone->flags);
        for (size_t n = 0; n < sizeof numbers / sizeof *numbers; n++)
            np_digest_float(digest, numbers[n]);
    }
}

static uint64_t digest_game(const np_game *game)
{
    const nplug_game *def = &game->def;
    np_digest digest = {hash_word(NP_HASH_START, def->name)};

    np_digest_u64(&digest, ((uint64_t)def->seats << 32) | def->players);
    for (uint32_t i = 0; i < def->action_count; i++) {
        const nplug_action_def *action = np_game_action(game, i);
        digest.hash = hash_word(hash_word(digest.hash, action->name), action->bindings);
        np_digest_u64(&digest, ((uint64_t)action->kind << 32) | action->layer);
    }
    digest_rules(&digest, def);
    digest_seats(&digest, def);
    digest_zones(&digest, def);
    return digest.hash;
}

uint64_t nplug_names_digest(const nplug_game *game)
{
    np_digest digest = {NP_HASH_START};

    if (!game) return 0;
    for (uint32_t i = 0; i < game->action_count; i++) {
        const nplug_action_def *action = NP_ROW(nplug_action_def, game, actions, action_size, i);
        digest.hash = hash_word(digest.hash, action->name);
        np_digest_u64(&digest, (uint64_t)action->kind);
    }
    for (uint32_t i = 0; i < game->layer_count; i++)
        digest.hash = hash_word(digest.hash, np_layer_row(game, i)->name);
    return digest.hash;
}

static nplug_result fail(const np_game_room *room, const char *what, uint64_t number)
{
    char line[160];
    np_text text = np_text_in(line, sizeof line);

    np_text_add(&text, "the game is wrong: ");
    np_text_add(&text, what);
    np_text_add(&text, " ");
    np_text_add_number(&text, number);
    np_out_line(room->out, line);
    return NPLUG_ERR_ARGUMENT;
}

/* A rank for each priority, from the lowest on. */
static void rank_layers(np_game *game)
{
    const nplug_game *def = &game->def;

    memset(game->layer_rank, 0, sizeof game->layer_rank);
    for (uint32_t i = 0; i < def->layer_count; i++)
        for (uint32_t k = 0; k < def->layer_count; k++) {
            bool skip = np_layer_row(def, k)->priority >= np_layer_row(def, i)->priority;
            for (uint32_t j = 0; j < k && !skip; j++)
                skip = np_layer_row(def, j)->priority == np_layer_row(def, k)->priority;
            if (!skip) game->layer_rank[i]++;
        }
}

static bool is_sound_rule(const np_game *game, const nplug_action_policy *rule)
{
    bool sound = rule->action < game->def.action_count && rule->one_of <= 255 &&
                 (unsigned)rule->merge <= NPLUG_MERGE_ADDED &&
                 (unsigned)rule->opposite <= NPLUG_OPPOSITE_HIGH &&
                 (unsigned)rule->keep <= NPLUG_KEEP_ALL && (rule->band_count == 0 || rule->bands);

    for (uint32_t b = 0; sound && b < rule->band_count; b++)
        sound = rule->bands[b].name && (b == 0 || rule->bands[b].begin > rule->bands[b - 1].begin);
    return sound;
}

static nplug_result take_rules(np_game_room *room)
{
    np_game *game = &room->game;

    memset(game->rules, 0, game->action_limit * sizeof *game->rules);
    game->ruled = game->def.seats == NPLUG_SEATS_BY_ACTION;
    for (uint32_t i = 0; i < game->def.action_count; i++) {
        game->rules[i].kind = (uint8_t)np_game_action(game, i)->kind;
        game->timed |= game->rules[i].kind == NPLUG_ACTION_MOTION;
    }
    for (uint32_t i = 0; i < game->def.policy_count; i++) {
        const nplug_action_policy *rule = np_policy_row(&game->def, i);
        if (!is_sound_rule(game, rule) || i > 254) return fail(room, "rule", i);
        if (game->rules[rule->action].number)
            return fail(room, "two rules for action", rule->action);
        game->rules[rule->action].number = (uint8_t)(i + 1);
        game->rules[rule->action].merge = (uint8_t)rule->merge;
        game->rules[rule->action].opposite = (uint8_t)rule->opposite;
        game->rules[rule->action].one_of = (uint8_t)rule->one_of;
        game->rules[rule->action].keep = (uint8_t)rule->keep;
        game->rules[rule->action].stays = rule->stays;
        game->ruled |= rule->one_of != 0;
        game->timed |= rule->merge == NPLUG_MERGE_LATEST;
    }
    return NPLUG_OK;
}

static nplug_result check_actions(const np_game_room *room)
{
    const np_game *game = &room->game;
    uint32_t layers = game->def.layers ? game->def.layer_count : NP_LAYERS;

    for (uint32_t i = 0; i < game->def.shaper_count; i++)
        if (!np_shaper_row(&game->def, i)->name || !np_shaper_row(&game->def, i)->shape)
            return fail(room, "shaper", i);
    for (uint32_t i = 0; i < game->def.layer_count; i++)
        if (!np_layer_row(&game->def, i)->name) return fail(room, "no name for layer", i);
    for (uint32_t i = 0; i < game->def.action_count; i++) {
        const nplug_action_def *action = np_game_action(game, i);
        if (!action->name) return fail(room, "no name for action", i);
        for (uint32_t k = 0; k < i; k++)
            if (strcmp(np_game_action(game, k)->name, action->name) == 0)
                return fail(room, "an earlier action has the name of action", i);
        if ((unsigned)action->kind > NPLUG_ACTION_POSE) return fail(room, "the kind of action", i);
        if (action->layer >= layers) return fail(room, "the layer of action", i);
    }
    return NPLUG_OK;
}

uint32_t np_game_button(const np_game *game, const char *name)
{
    for (uint32_t i = 0; name && i < game->def.action_count; i++) {
        const nplug_action_def *action = np_game_action(game, i);
        if (action->kind == NPLUG_ACTION_BUTTON && strcmp(action->name, name) == 0) return i;
    }
    return NP_NO_INDEX;
}

/* Seats and parts name what is there. */
static nplug_result check_seats(const np_game_room *room)
{
    const np_game *game = &room->game;
    const char *wrong = NULL;

    if (game->def.seats == NPLUG_SEATS_BY_ACTION &&
        np_game_button(game, game->def.join) == NP_NO_INDEX)
        wrong = "the game is wrong: `join` must name a button among its actions";
    if (game->def.leave && np_game_button(game, game->def.leave) == NP_NO_INDEX)
        wrong = "the game is wrong: `leave` must name a button among its actions";
    if (!wrong) wrong = np_parts_wrong(&game->def);
    if (wrong) np_out_line(room->out, wrong);
    return wrong ? NPLUG_ERR_ARGUMENT : NPLUG_OK;
}

static nplug_result check_zones(const np_game_room *room)
{
    const char *why;
    uint32_t zone = nplug_game_wrong_zone(&room->game.def, &why);
    char line[160];
    np_text text = np_text_in(line, sizeof line);

    if (zone == NPLUG_NO_ZONE) return NPLUG_OK;
    np_text_add(&text, "the game is wrong: zone ");
    np_text_add_number(&text, zone);
    np_text_add(&text, " ");
    np_text_add(&text, why);
    np_out_line(room->out, line);
    return NPLUG_ERR_ARGUMENT;
}

static nplug_result read_bindings(np_game_room *room)
{
    np_game *game = &room->game;
    np_reader in;

    memset(game->first_binding, 0xff, game->action_limit * sizeof *game->first_binding);
    memset(&in, 0, sizeof in);
    in.out = room->out;
    in.game = game;
    in.players = NP_EVERYBODY;
    for (uint32_t i = 0; i < game->def.action_count; i++) {
        in.action = np_game_action(game, i);
        in.number = i;
        if (!np_action_read(&in, in.action->bindings)) return in.result;
    }
    return NPLUG_OK;
}

static nplug_result compile(np_game_room *room)
{
    nplug_result result = check_actions(room);

    if (result == NPLUG_OK) result = check_seats(room);
    if (result == NPLUG_OK) result = check_zones(room);
    if (result == NPLUG_OK) result = take_rules(room);
    if (result != NPLUG_OK) return result;
    rank_layers(&room->game);
    return read_bindings(room);
}

/* Whether the rows of all tables have at least what was first released. */
static bool rows_are_known(const nplug_game *def)
{
    return (def->action_count == 0 || def->action_size >= NP_FIRST(nplug_action_def, layer)) &&
           (def->layer_count == 0 || def->layer_size >= NP_FIRST(nplug_layer_def, on)) &&
           (def->policy_count == 0 || def->policy_size >= NP_FIRST(nplug_action_policy, stays)) &&
           (def->shaper_count == 0 || def->shaper_size >= NP_FIRST(nplug_shaper, user)) &&
           (def->part_count == 0 || def->part_size >= NP_FIRST(nplug_part_def, keys)) &&
           (def->zone_count == 0 || def->zone_size >= NP_FIRST(nplug_zone_def, reserved));
}

static nplug_result check_game(const np_game_room *room, const nplug_game *def)
{
    if (def->action_count && !def->actions) return NPLUG_ERR_ARGUMENT;
    if (!rows_are_known(def)) return NPLUG_ERR_SIZE;
    if ((unsigned)def->seats > NPLUG_SEATS_BY_ARRIVAL) return NPLUG_ERR_ARGUMENT;
    if ((def->layer_count && !def->layers) || (def->policy_count && !def->policies) ||
        (def->shaper_count && !def->shapers) || def->shaper_count > 255 ||
        (def->zone_count && !def->zones) || def->zone_count > NPLUG_ZONES_MAX)
        return NPLUG_ERR_ARGUMENT;
    if (def->action_count > room->limits->actions || def->players > room->limits->players ||
        def->layer_count > NP_LAYERS)
        return NPLUG_ERR_FULL;
    if (!def->names || def->names == nplug_names_digest(def)) return NPLUG_OK;
    np_out_line(room->out,
                "the game is not the one that the numbers of its actions were made from: "
                "make them again");
    return NPLUG_ERR_DIFFERS;
}

nplug_result np_game_take(np_game_room *room, const nplug_game *wish)
{
    np_game *game = &room->game;
    nplug_game def = {0};
    nplug_result result = NPLUG_ERR_SIZE;

    if (np_size_take(&def, sizeof def, wish, NP_FIRST(nplug_game, zone_count)))
        result = check_game(room, &def);
    if (result != NPLUG_OK) return result;
    np_game_forget(game);
    game->used = false;
    game->def = def;
    result = compile(room);
    if (result != NPLUG_OK) {
        np_game_forget(game);
        memset(&game->def, 0, sizeof game->def);
        return result;
    }
    if (game->def.players == 0) game->def.players = 1;
    game->digest = digest_game(game);
    game->used = true;
    return NPLUG_OK;
}

void np_game_room_layout(np_game_room *room, np_arena *arena, const nplug_limits *limits)
{
    np_game_layout(&room->game, arena, limits);
    np_comfort_layout(&room->comforts, arena, limits);
    room->rebinds.text = (char *)np_arena_take(arena, limits->text, 1);
    room->rebinds.size = limits->text;
}
