/* A game as a C header: the numbers of its actions, and its tables. */
#include "game_file.h"
#include "nestplug/control.h"
#include "whole_file.h"
#include <ctype.h>
#include <inttypes.h>
#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* A header being put together. */
typedef struct writer {
    char *text;
    size_t length, room;
    bool failed;
} writer;

#if defined(__GNUC__)
__attribute__((format(printf, 2, 3)))
#endif
static void
put(writer *out, const char *format, ...)
{
    va_list list, again;
    int length;

    va_start(list, format);
    va_copy(again, list);
    length = vsnprintf(NULL, 0, format, list);
    if (out->length + (size_t)length + 1 > out->room) {
        size_t room = 2 * (out->length + (size_t)length) + 1024;
        char *larger = (char *)realloc(out->text, room);
        if (larger) out->room = room;
        if (larger) out->text = larger;
        out->failed |= !larger;
    }
    if (!out->failed)
        out->length +=
            (size_t)vsnprintf(out->text + out->length, out->room - out->length, format, again);
    va_end(again);
    va_end(list);
}

/* A name as C writes it: letters and digits, the rest as '_'. */
static const char *c_name(const char *name, bool upper, char *buffer, size_t size)
{
    size_t i = 0;

    for (; name[i] && i + 1 < size; i++) {
        char c = isalnum((unsigned char)name[i]) ? name[i] : '_';
        buffer[i] = (char)(upper ? toupper((unsigned char)c) : c);
    }
    buffer[i] = 0;
    return buffer;
}

/* A C string: what is neither a letter, a digit nor usual is written by its bytes. */
static void put_string(writer *out, const char *text)
{
    put(out, "\"");
    for (; *text; text++) {
        unsigned char c = (unsigned char)*text;
        bool usual = c >= 0x20 && c < 0x7f && c != '"' && c != '\\' && c != '?';
        put(out, usual ? "%c" : "\\%03o", c);
    }
    put(out, "\"");
}

/* The names of a table's rows as C has them: where two come to the same, the later one has its
 * number behind it. */
static const char *row_name(const char *const *names, size_t stride, uint32_t row, char *buffer,
                            size_t size)
{
    const char *name, *other;
    char earlier[64];
    bool taken;

    memcpy(&name, (const char *)names + row * stride, sizeof name);
    c_name(name, true, buffer, size);
    taken = strcmp(buffer, "ACTIONS") == 0 || strncmp(buffer, "LAYER_", 6) == 0 ||
            strcmp(buffer, "NAMES") == 0;
    for (uint32_t i = 0; i < row && !taken; i++) {
        memcpy(&other, (const char *)names + i * stride, sizeof other);
        taken = strcmp(c_name(other, true, earlier, sizeof earlier), buffer) == 0;
    }
    if (taken) snprintf(buffer + strlen(buffer), size - strlen(buffer), "_%" PRIu32, row);
    return buffer;
}

static void put_numbers(writer *out, const nplug_game *game, const char *prefix)
{
    char name[80];

    put(out, "enum {\n");
    for (uint32_t i = 0; i < game->action_count; i++)
        put(out, "    %s_%s = %" PRIu32 ",\n", prefix,
            row_name(&game->actions->name, sizeof *game->actions, i, name, sizeof name), i);
    put(out, "    %s_ACTIONS = %" PRIu32 "\n};\n", prefix, game->action_count);
    if (game->layer_count == 0) return;
    put(out, "enum {\n");
    for (uint32_t i = 0; i < game->layer_count; i++)
        put(out, "    %s_LAYER_%s = %" PRIu32 "%s\n", prefix,
            row_name(&game->layers->name, sizeof *game->layers, i, name, sizeof name), i,
            i + 1 < game->layer_count ? "," : "");
    put(out, "};\n");
}

static void put_text_or_null(writer *out, const char *text)
{
    if (text)
        put_string(out, text);
    else
        put(out, "NULL");
}

static void put_actions(writer *out, const nplug_game *game, const char *lower)
{
    static const char *const kinds[] = {"BUTTON", "LEVEL", "VECTOR", "MOTION", "POSE"};

    if (game->action_count == 0) return;
    put(out, "\nstatic const nplug_action_def %s_actions[] = {\n", lower);
    for (uint32_t i = 0; i < game->action_count; i++) {
        put(out, "    {");
        put_string(out, game->actions[i].name);
        put(out, ", NPLUG_ACTION_%s,\n     ", kinds[game->actions[i].kind]);
        put_string(out, game->actions[i].bindings);
        put(out, ", %" PRIu32 "},\n", game->actions[i].layer);
    }
    put(out, "};\n");
}

static void put_layers(writer *out, const nplug_game *game, const char *lower)
{
    if (game->layer_count == 0) return;
    put(out, "static const nplug_layer_def %s_layers[] = {\n", lower);
    for (uint32_t i = 0; i < game->layer_count; i++) {
        put(out, "    {");
        put_string(out, game->layers[i].name);
        put(out, ", %" PRId32 ", %s},\n", game->layers[i].priority,
            game->layers[i].on ? "true" : "false");
    }
    put(out, "};\n");
}

static void put_bands(writer *out, const nplug_game *game, const char *lower)
{
    for (uint32_t i = 0; i < game->policy_count; i++) {
        const nplug_action_policy *rule = &game->policies[i];
        if (rule->band_count == 0) continue;
        put(out, "static const nplug_band %s_bands_%" PRIu32 "[] = {", lower, i);
        for (uint32_t b = 0; b < rule->band_count; b++) {
            put(out, "%s{", b ? ", " : "");
            put_string(out, rule->bands[b].name);
            put(out, ", %.9ef}", (double)rule->bands[b].begin);
        }
        put(out, "};\n");
    }
}

static void put_rules(writer *out, const nplug_game *game, const char *lower)
{
    static const char *const merges[] = {"STRONGEST", "LATEST", "ADDED"};
    static const char *const opposites[] = {"NEUTRAL", "LATEST", "FIRST", "LOW", "HIGH"};
    static const char *const keeps[] = {"NOTHING", "ONE", "ALL"};

    if (game->policy_count == 0) return;
    put(out, "static const nplug_action_policy %s_policies[] = {\n", lower);
    for (uint32_t i = 0; i < game->policy_count; i++) {
        const nplug_action_policy *rule = &game->policies[i];
        put(out, "    {%" PRIu32 ", NPLUG_MERGE_%s, NPLUG_OPPOSITE_%s, %" PRIu32 ", ", rule->action,
            merges[rule->merge], opposites[rule->opposite], rule->one_of);
        if (rule->band_count)
            put(out, "%s_bands_%" PRIu32 ", %" PRIu32, lower, i, rule->band_count);
        else
            put(out, "NULL, 0");
        put(out, ", NPLUG_KEEP_%s, %s},\n", keeps[rule->keep], rule->stays ? "true" : "false");
    }
    put(out, "};\n");
}

static void put_parts(writer *out, const nplug_game *game, const char *lower)
{
    if (game->part_count == 0) return;
    put(out, "static const nplug_part_def %s_parts[] = {\n", lower);
    for (uint32_t i = 0; i < game->part_count; i++) {
        put(out, "    {");
        put_string(out, game->parts[i].name);
        put(out, ", ");
        put_string(out, game->parts[i].keys);
        put(out, "},\n");
    }
    put(out, "};\n");
}

static void put_zones(writer *out, const nplug_game *game, const char *lower)
{
    static const char *const kinds[] = {"BUTTON", "STICK", "DPAD", "SLIDER", "AREA"};

    if (game->zone_count == 0) return;
    put(out, "static const nplug_zone_def %s_zones[] = {\n", lower);
    for (uint32_t i = 0; i < game->zone_count; i++) {
        const nplug_zone_def *zone = &game->zones[i];
        put(out, "    {");
        put_string(out, zone->name);
        put(out, ", ");
        put_text_or_null(out, zone->as);
        put(out,
            ", NPLUG_ZONE_%s, %" PRIu32 ", %" PRIu32 ", %" PRId32 ", %" PRIu32 ", %" PRIu32
            ",\n     ",
            kinds[zone->kind], zone->layer, zone->part, zone->priority, zone->corner, zone->flags);
        put(out, "%#.9gf, %#.9gf, %#.9gf, %#.9gf, %#.9gf, 0},\n", (double)zone->x, (double)zone->y,
            (double)zone->width, (double)zone->height, (double)zone->reach);
    }
    put(out, "};\n");
}

static void put_text(writer *out, const char *member, const char *text)
{
    put(out, "    /* %s */ ", member);
    put_text_or_null(out, text);
    put(out, ",\n");
}

static void put_size(writer *out, const char *type)
{
    put(out, "    sizeof(nplug_%s),\n", type);
}

static void put_table(writer *out, const char *lower, const char *rows, uint32_t count)
{
    if (count)
        put(out, "    %s_%s,\n", lower, rows);
    else
        put(out, "    /* %s */ NULL,\n", rows);
}

static void put_count(writer *out, const char *member, uint32_t value)
{
    put(out, "    /* %s */ %" PRIu32 ",\n", member, value);
}

/* In the order of the members, which C++17 knows no names for. */
static void put_game(writer *out, const nplug_game *game, const char *lower, const char *prefix)
{
    static const char *const seats[] = {"ONE", "FIRST_USE", "BY_CALL", "BY_ACTION", "BY_ARRIVAL"};
    static const char *const sizes[] = {"game",          "action_def", "layer_def",
                                        "action_policy", "shaper",     "part_def"};

    put(out, "static const nplug_game %s_game = {\n", lower);
    for (size_t i = 0; i < sizeof sizes / sizeof *sizes; i++)
        put_size(out, sizes[i]);
    put(out, "    %s_NAMES,\n", prefix);
    put_text(out, "name", game->name);
    put_table(out, lower, "actions", game->action_count);
    put_table(out, lower, "layers", game->layer_count);
    put_table(out, lower, "policies", game->policy_count);
    put_table(out, lower, "shapers", 0);
    put_table(out, lower, "parts", game->part_count);
    put_text(out, "join", game->join);
    put_text(out, "leave", game->leave);
    put_count(out, "action_count", game->action_count);
    put_count(out, "layer_count", game->layer_count);
    put_count(out, "policy_count", game->policy_count);
    put_count(out, "shaper_count", 0);
    put_count(out, "part_count", game->part_count);
    put(out, "    NPLUG_SEATS_%s,\n", seats[game->seats]);
    put_count(out, "players", game->players);
    put_count(out, "seat_kinds", game->seat_kinds);
    put_count(out, "seat_wait_ms", game->seat_wait_ms);
    put_count(out, "wobble_ms", game->wobble_ms);
    put_count(out, "unfocused_kinds", game->unfocused_kinds);
    put_count(out, "reserved", 0);
    put_table(out, lower, "zones", game->zone_count);
    put_size(out, "zone_def");
    put_count(out, "zone_count", game->zone_count);
    put(out, "};\n");
}

/* What a comment can hold. */
static void put_comment(writer *out, const char *text)
{
    for (; *text; text++)
        put(out, "%c", (unsigned char)*text < 0x20 || *text == '*' || *text == '?' ? '_' : *text);
}

/* The game's name in front of the others; no name of C begins with a digit. */
static void game_names(const nplug_game *game, char prefix[64], char lower[64])
{
    bool good = isalpha((unsigned char)game->name[0]) != 0;

    snprintf(prefix, 64, "%s", good ? "" : "GAME_");
    snprintf(lower, 64, "%s", good ? "" : "game_");
    c_name(game->name, true, prefix + strlen(prefix), 56);
    c_name(game->name, false, lower + strlen(lower), 56);
}

static void put_header(writer *out, const nplug_game *game, bool tables)
{
    char prefix[64], lower[64];

    game_names(game, prefix, lower);
    put(out, "/* Numbers of the game \"");
    put_comment(out, game->name);
    put(out, "\".  Made by `nestplug names`: change the game, not this. */\n");
    put(out, "#ifndef %s_NUMBERS_H\n#define %s_NUMBERS_H\n\n", prefix, prefix);
    if (tables) put(out, "#include <nestplug/nestplug.h>\n\n");
    put_numbers(out, game, prefix);
    put(out, "\n/* What these numbers go with: give it to nplug_game.names, and another game is "
             "refused. */\n");
    put(out, "#define %s_NAMES UINT64_C(0x%016" PRIx64 ")\n", prefix, nplug_names_digest(game));
    if (tables) {
        put_actions(out, game, lower);
        put_layers(out, game, lower);
        put_bands(out, game, lower);
        put_rules(out, game, lower);
        put_parts(out, game, lower);
        put_zones(out, game, lower);
        put_game(out, game, lower, prefix);
    }
    put(out, "\n#endif\n");
}

nplug_result nplug_game_file_write_c(const nplug_game_file *file, bool tables, const char *path)
{
    writer out = {NULL, 0, 0, false};
    nplug_result result = NPLUG_OK;

    if (!file) return NPLUG_ERR_ARGUMENT;
    put_header(&out, &file->game, tables);
    if (out.failed)
        result = NPLUG_ERR_MEMORY;
    else if (path)
        result = nf_write_text(path, out.text, out.length);
    else if (fwrite(out.text, 1, out.length, stdout) != out.length)
        result = NPLUG_ERR_FILE;
    free(out.text);
    return result;
}
