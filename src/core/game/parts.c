/* Parts: how several share keyboards, as the game says that in words.
 *
 * Owns nothing.  Comes in: a game, a key.  Goes out: the number of a part. */
#include "core/game/game.h"
#include <string.h>

#define MICE 0xffffu /* stands for "mouse" among keys */

/* The key whose W3C code stands there, up to a comma or the end, or MICE; 0 for none. */
static nplug_control word_at(const char *code)
{
    char name[40] = "key:";
    size_t length = strcspn(code, ",");

    if (length > sizeof name - 5) return 0;
    if (length == 5 && memcmp(code, "mouse", 5) == 0) return MICE;
    memcpy(name + 4, code, length);
    return nplug_control_from_name(name, 4 + length);
}

/* Which of the first `count` parts names a word. */
static uint8_t part_with(const nplug_game *game, uint32_t count, nplug_control word)
{
    for (uint32_t i = 0; i < count; i++)
        for (const char *at = np_part_row(game, i)->keys; at; at = strchr(at, ',')) {
            at += *at == ',';
            if (word_at(at) == word) return (uint8_t)(i + 1);
        }
    return 0;
}

uint8_t np_parts_of_key(const nplug_game *game, nplug_control key)
{
    return part_with(game, game->part_count, key);
}

uint8_t np_parts_of_mice(const nplug_game *game)
{
    return part_with(game, game->part_count, MICE);
}

/* Each word is a key's or "mouse", and in one part only. */
static bool is_sound(const nplug_game *game, uint32_t i)
{
    const nplug_part_def *part = np_part_row(game, i);
    bool sound = part->name && part->keys;

    for (const char *at = sound ? part->keys : NULL; sound && at; at = strchr(at, ',')) {
        nplug_control word;
        at += *at == ',';
        word = word_at(at);
        sound = word && part_with(game, i, word) == 0;
    }
    return sound;
}

const char *np_parts_wrong(const nplug_game *game)
{
    if (game->part_count > NPLUG_PARTS_MAX || (game->part_count && !game->parts))
        return "the game is wrong: keyboards have at most 4 parts";
    for (uint32_t i = 0; i < game->part_count; i++)
        if (!is_sound(game, i))
            return "the game is wrong: a part names what is no key and not \"mouse\", or what "
                   "another part has";
    return NULL;
}
