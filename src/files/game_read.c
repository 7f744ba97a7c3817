/* Game files: actions, layers, bindings, seats. */
#include "document.h"
#include "aids/words.h"
#include "game_file.h"
#include "nestplug/menu.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define COUNT(list) (sizeof(list) / sizeof *(list))

static const char *const kinds[] = {NA_ACTION_KIND_WORDS};
static const char *const merges[] = {NA_MERGE_WORDS};
static const char *const opposites[] = {NA_OPPOSITE_WORDS};
static const char *const keeps[] = {NA_KEEP_WORDS};

static const nf_field game_fields[] = {
    NF_MUST("nestplug", NF_STRING),
    NF_MUST("version", NF_INTEGER),
    {.name = "name", .type = NF_STRING, .required = true, NF_INTO(nplug_game, name)},
    NF_HAND("about", NF_STRING),
    NF_HAND("layers", NF_OBJECT),
    NF_HAND("zones", NF_OBJECT),
    NF_MUST("actions", NF_OBJECT),
    NF_HAND("menu", NF_STRING),
    NF_HAND("seats", NF_OBJECT),
    NF_HAND("parts", NF_OBJECT),
    NF_HAND("unfocused", NF_ARRAY)};
const nf_object nf_game_object = NF_OBJECT_OF(game_fields, "game", "");

static const nf_field layer_fields[] = {
    {.name = "priority",
     .type = NF_INTEGER,
     NF_INTO(nplug_layer_def, priority),
     .least = -1000000,
     .most = 1000000,
     .expected = "-1000000 to 1000000 is expected"},
    {.name = "on", .type = NF_BOOL, NF_INTO(nplug_layer_def, on)},
    NF_HAND("by", NF_STRING),
    NF_HAND("about", NF_STRING)};
const nf_object nf_layer_object =
    NF_OBJECT_OF(layer_fields, "game", "/properties/layers/additionalProperties");

/* An action and its rule: what they say stands in two structs. */
typedef struct action_read {
    nplug_action_kind kind;
    nplug_action_policy rule;
} action_read;

static const nf_field action_fields[] = {
    {.name = "kind",
     .type = NF_WORD,
     .required = true,
     NF_INTO(action_read, kind),
     NF_WORDS(kinds),
     .sort = "kind of action"},
    {.name = "merge",
     .type = NF_WORD,
     NF_INTO(action_read, rule.merge),
     NF_WORDS(merges),
     .sort = "merge"},
    {.name = "opposite",
     .type = NF_WORD,
     NF_INTO(action_read, rule.opposite),
     NF_WORDS(opposites),
     .sort = "rule for opposite keys"},
    {.name = "keep",
     .type = NF_WORD,
     NF_INTO(action_read, rule.keep),
     NF_WORDS(keeps),
     .sort = "rule for what players may change"},
    {.name = "one-of",
     .type = NF_INTEGER,
     NF_INTO(action_read, rule.one_of),
     .least = 0,
     .most = 255,
     .expected = "0 to 255 is expected"},
    {.name = "stays", .type = NF_BOOL, NF_INTO(action_read, rule.stays)},
    NF_HAND("layer", NF_STRING),
    NF_HAND("bindings", NF_ANY),
    NF_HAND("bands", NF_OBJECT),
    NF_HAND("about", NF_STRING)};
const nf_object nf_action_object =
    NF_OBJECT_OF(action_fields, "game", "/properties/actions/additionalProperties");

typedef struct reader {
    nf_doc *doc;
    nplug_game_file *file;
    size_t part_room, band_count, band_room;
    /* of the action that is being read */
    char *from;
    size_t from_length, from_room;
} reader;

/* --- bindings -------------------------------------------------------------------------------- */

static void add_text(reader *in, const char *more)
{
    size_t length = strlen(more);

    if (in->from_length + length + 1 > in->from_room) {
        size_t room = 2 * (in->from_length + length) + 64;
        char *larger = (char *)realloc(in->from, room);
        if (!larger) {
            nf_no_memory(in->doc, "");
            return;
        }
        in->from = larger;
        in->from_room = room;
    }
    memcpy(in->from + in->from_length, more, length + 1);
    in->from_length += length;
}

/* A member of a binding's object as an option of its text. */
static void add_option(reader *in, const char *name, const json_t *value, const char *pointer)
{
    char option[96], at[160];

    snprintf(at, sizeof at, "%s/%s", pointer, name);
    if (json_is_true(value) || (strcmp(name, "gesture") == 0 && json_is_string(value)))
        snprintf(option, sizeof option, " %s",
                 json_is_true(value) ? name : json_string_value(value));
    else if (json_is_string(value))
        snprintf(option, sizeof option, " %s=%s", name, json_string_value(value));
    else if (json_is_number(value))
        snprintf(option, sizeof option, " %s=%g", name, json_number_value(value));
    else {
        nf_error(in->doc, at, "a text, a number or true is expected");
        return;
    }
    if (strlen(option) > 64 || strchr(option, '|'))
        nf_error(in->doc, at, "this is no option of a binding");
    else
        add_text(in, option);
}

static void add_object(reader *in, json_t *object, const char *pointer)
{
    const char *name, *inner, *source = nf_string(object, "source", NULL);
    json_t *value, *part;
    char at[160];

    if (!source || strchr(source, ' ') || strchr(source, '|')) {
        snprintf(at, sizeof at, "%s/source", pointer);
        nf_error(in->doc, at, "\"source\" must name a control, or a chord of some");
        return;
    }
    add_text(in, source);
    json_object_foreach(object, name, value)
    {
        if (strcmp(name, "source") == 0) continue;
        if (strcmp(name, "ramp") == 0 && json_is_object(value)) {
            snprintf(at, sizeof at, "%s/ramp", pointer);
            json_object_foreach(value, inner, part) add_option(in, inner, part, at);
        } else {
            add_option(in, name, value, pointer);
        }
    }
}

static void add_part(reader *in, json_t *value, const char *pointer)
{
    nplug_game_file *file = in->file;
    nf_game_part *part = (nf_game_part *)nf_one_more((void **)&file->parts, file->part_count,
                                                     &in->part_room, sizeof *part);

    if (!part) {
        nf_no_memory(in->doc, pointer);
        return;
    }
    if (in->from_length) add_text(in, " | ");
    part->action = file->game.action_count;
    part->begin = in->from_length;
    part->is_object = json_is_object(value);
    snprintf(part->pointer, sizeof part->pointer, "%s", pointer);
    file->part_count++;
    if (part->is_object)
        add_object(in, value, pointer);
    else if (json_is_string(value))
        add_text(in, json_string_value(value));
    else
        nf_error(in->doc, pointer, "a binding is expected: a text, or an object with a \"source\"");
}

void nf_game_note(nf_doc *doc, const nplug_game_file *file, uint32_t action, uint32_t column,
                  bool warning, const char *text)
{
    const nf_game_part *part = NULL;
    char at[96];

    for (size_t i = 0; i < file->part_count; i++)
        if (file->parts[i].action == action && file->parts[i].begin < column)
            part = &file->parts[i];
    if (part && !part->is_object) {
        nf_note_within(doc, part->pointer, column - 1 - part->begin, warning, text);
        return;
    }
    snprintf(at, sizeof at, "/actions/%s", file->actions[action].name);
    if (warning)
        nf_warning(doc, part ? part->pointer : at, "%s", text);
    else
        nf_error(doc, part ? part->pointer : at, "%s", text);
}

static void read_from(reader *in, json_t *object, const char *pointer)
{
    nplug_game_file *file = in->file;
    nplug_action_def *action = &file->actions[file->game.action_count];
    json_t *from = json_object_get(object, "bindings");
    nplug_binding_error error;
    char at[112];

    in->from = NULL;
    in->from_length = in->from_room = 0;
    add_text(in, "");
    snprintf(at, sizeof at, "%s/bindings", pointer);
    if (from && !json_is_array(from)) add_part(in, from, at);
    for (size_t i = 0; i < json_array_size(from); i++) {
        snprintf(at, sizeof at, "%s/bindings/%u", pointer, (unsigned)i);
        add_part(in, json_array_get(from, i), at);
    }
    file->from[file->game.action_count] = in->from;
    action->bindings = in->from;
    if (in->doc->failed) return;
    if (nplug_game_read_bindings(&in->file->game, action->kind, action->bindings, NULL, NULL,
                                 &error) != NPLUG_OK)
        nf_game_note(in->doc, file, file->game.action_count, error.column, false, error.what);
}

/* --- actions --------------------------------------------------------------------------------- */

static void read_bands(reader *in, json_t *bands, const char *pointer, nplug_action_policy *rule)
{
    const char *name;
    json_t *value;
    float last = -2.0f;
    char at[160];

    json_object_foreach(bands, name, value)
    {
        nplug_band *band = &in->file->bands[in->band_count];
        snprintf(at, sizeof at, "%s/bands/%.48s", pointer, name);
        nf_check_name(in->doc, name, at);
        if (!json_is_number(value) || json_number_value(value) <= (double)last ||
            json_number_value(value) < -1.0 || json_number_value(value) > 1.0) {
            nf_error(in->doc, at, "where the band begins is expected: -1 to 1, rising");
            return;
        }
        band->name = name;
        band->begin = last = (float)json_number_value(value);
        if (rule->band_count++ == 0) rule->bands = band;
        in->band_count++;
    }
}

static void read_rule(reader *in, json_t *object, const char *pointer, nplug_action_policy rule)
{
    rule.action = in->file->game.action_count;
    read_bands(in, json_object_get(object, "bands"), pointer, &rule);
    if (rule.merge || rule.opposite || rule.one_of || rule.band_count || rule.keep || rule.stays)
        in->file->rules[in->file->game.policy_count++] = rule;
}

static uint32_t layer_number(const reader *in, const char *name)
{
    uint32_t i = 0;

    while (i < in->file->game.layer_count && strcmp(in->file->layers[i].name, name) != 0)
        i++;
    return i;
}

/* The layer that a member of an object names; 0 where it names none. */
static uint32_t read_layer_of(reader *in, json_t *object, const char *pointer, const char *member)
{
    const char *name = nf_string(object, member, NULL);
    uint32_t layer = name ? layer_number(in, name) : 0;
    char at[112], near[96];

    if (!name || layer < in->file->game.layer_count) return layer;
    snprintf(at, sizeof at, "%s/%s", pointer, member);
    nf_error(in->doc, at, "\"%.40s\" is no layer of this game%s", name,
             nf_nearest(&in->file->layers[0].name, in->file->game.layer_count,
                        sizeof *in->file->layers, name, near, sizeof near));
    return 0;
}

static void read_action(reader *in, const char *name, json_t *object)
{
    nplug_action_def *action = &in->file->actions[in->file->game.action_count];
    action_read read;
    char pointer[80];

    memset(&read, 0, sizeof read);
    snprintf(pointer, sizeof pointer, "/actions/%.48s", name);
    nf_check_name(in->doc, name, pointer);
    action->name = name;
    if (!nf_read(in->doc, object, pointer, &nf_action_object, &read)) return;
    action->kind = read.kind;
    action->layer = read_layer_of(in, object, pointer, "layer");
    read_rule(in, object, pointer, read.rule);
    if (!in->doc->failed) read_from(in, object, pointer);
    in->file->game.action_count++;
}

/* --- the ready-made menu -------------------------------------------------------------------------
 */

#define MENU_ACTIONS (NPLUG_MENU_WISH_RESTORE + 1u)
#define MENU_GROUP   255u

/* The menu's actions and their policies, after the file's own. */
static void read_menu(reader *in)
{
    uint32_t layer = read_layer_of(in, in->doc->root, "", "menu");
    uint32_t first = in->file->game.action_count;
    const nplug_action_def actions[] = {NPLUG_MENU_ACTIONS(layer)};
    const nplug_action_policy policies[] = {NPLUG_MENU_RULES(first, MENU_GROUP)};

    for (uint32_t i = 0; i < first; i++)
        for (uint32_t k = 0; k < MENU_ACTIONS; k++)
            if (strcmp(in->file->actions[i].name, actions[k].name) == 0)
                nf_error(in->doc, "/menu", "the menu brings an action \"%s\" of its own",
                         actions[k].name);
    memcpy(in->file->actions + first, actions, sizeof actions);
    memcpy(in->file->rules + in->file->game.policy_count, policies, sizeof policies);
    in->file->game.action_count += MENU_ACTIONS;
    in->file->game.policy_count += (uint32_t)(sizeof policies / sizeof *policies);
}

/* --- layers --------------------------------------------------------------------------------------
 */

static void read_layer(reader *in, const char *name, json_t *object)
{
    nplug_layer_def *layer = &in->file->layers[in->file->game.layer_count++];
    char pointer[80], at[112];

    snprintf(pointer, sizeof pointer, "/layers/%.48s", name);
    nf_check_name(in->doc, name, pointer);
    layer->name = name;
    if (!nf_read(in->doc, object, pointer, &nf_layer_object, layer)) return;
    snprintf(at, sizeof at, "%s/by", pointer);
    if (strcmp(nf_string(object, "by", "call"), "call") != 0)
        nf_error(in->doc, at, "\"call\" is expected: the game's own code switches it");
}

/* --- a whole file ---------------------------------------------------------------------------- */

static size_t count_bands(json_t *actions)
{
    const char *name;
    json_t *action;
    size_t count = 0;

    json_object_foreach(actions, name, action) count +=
        json_object_size(json_object_get(action, "bands"));
    return count;
}

static bool make_room(reader *in, json_t *actions, json_t *layers)
{
    nplug_game_file *file = in->file;
    size_t count = json_object_size(actions) + 1 + MENU_ACTIONS;

    file->actions = (nplug_action_def *)calloc(count, sizeof *file->actions);
    file->from = (char **)calloc(count, sizeof *file->from);
    file->rules = (nplug_action_policy *)calloc(count, sizeof *file->rules);
    file->layers = (nplug_layer_def *)calloc(json_object_size(layers) + 1, sizeof *file->layers);
    file->bands = (nplug_band *)calloc(count_bands(actions) + 1, sizeof *file->bands);
    file->zones = (nplug_zone_def *)calloc(
        json_object_size(json_object_get(in->doc->root, "zones")) + 1, sizeof *file->zones);
    if (file->actions && file->from && file->rules && file->layers && file->bands && file->zones)
        return true;
    nf_no_memory(in->doc, "");
    return false;
}

static void read_lists(reader *in)
{
    json_t *actions = json_object_get(in->doc->root, "actions"), *value;
    json_t *layers = json_object_get(in->doc->root, "layers");
    const char *name;

    if (json_object_size(layers) > 32) nf_error(in->doc, "/layers", "32 layers at most");
    if (json_object_size(actions) > 60000) nf_error(in->doc, "/actions", "60000 actions at most");
    if (in->doc->failed || !make_room(in, actions, layers)) return;
    json_object_foreach(layers, name, value) read_layer(in, name, value);
    if (!in->doc->failed) nf_game_read_zones(in->doc, in->file);
    json_object_foreach(actions, name, value) if (!in->doc->failed) read_action(in, name, value);
    if (!in->doc->failed && json_object_get(in->doc->root, "menu")) read_menu(in);
    if (!in->doc->failed) nf_game_read_seats(in->doc, in->file);
}

static void keep_text(reader *in)
{
    in->file->text = (char *)malloc(in->doc->length + 1);
    if (!in->file->text) {
        nf_no_memory(in->doc, "");
        return;
    }
    memcpy(in->file->text, in->doc->text, in->doc->length);
    in->file->length = in->doc->length;
}

static void read_game(nf_doc *doc, void *made)
{
    nplug_game_file *file = (nplug_game_file *)made;
    reader in;

    memset(&in, 0, sizeof in);
    in.doc = doc;
    in.file = file;
    keep_text(&in);
    if (doc->failed || !nf_fill(doc, doc->root, "", &nf_game_object, &file->game)) return;
    read_lists(&in);
    file->game.size = (uint32_t)sizeof file->game;
    file->game.action_size = (uint32_t)sizeof *file->actions;
    file->game.layer_size = (uint32_t)sizeof *file->layers;
    file->game.policy_size = (uint32_t)sizeof(nplug_action_policy);
    file->game.part_size = (uint32_t)sizeof(nplug_part_def);
    file->game.actions = file->actions;
    file->game.layers = file->game.layer_count ? file->layers : NULL;
    file->game.policies = file->game.policy_count ? file->rules : NULL;
}

static void free_game(void *file)
{
    nplug_game_file_free((nplug_game_file *)file);
}

static const nf_sort games = {.word = "game",
                              .many = "games",
                              .version = 1,
                              .object = &nf_game_object,
                              .size = sizeof(nplug_game_file),
                              .root = offsetof(nplug_game_file, root),
                              .read = read_game,
                              .free = free_game};

nplug_result nplug_game_file_parse(const char *text, size_t length, const char *name,
                                   nplug_game_file **out, nplug_notes *notes)
{
    void *made = NULL;
    nplug_result result = nf_parse(&games, text, length, name, out ? &made : NULL, notes);

    if (out) *out = (nplug_game_file *)made;
    return result;
}

nplug_result nplug_game_file_read(const char *path, nplug_game_file **file, nplug_notes *notes)
{
    void *made = NULL;
    nplug_result result = nf_parse_file(&games, path, file ? &made : NULL, notes);

    if (file) *file = (nplug_game_file *)made;
    return result;
}

const nplug_game *nplug_game_file_game(const nplug_game_file *file)
{
    return file ? &file->game : NULL;
}

void nplug_game_file_free(nplug_game_file *file)
{
    if (!file) return;
    for (uint32_t i = 0; file->from && i <= file->game.action_count; i++)
        free(file->from[i]);
    json_decref(file->root);
    free(file->text);
    free(file->actions);
    free(file->from);
    free(file->rules);
    free(file->layers);
    free(file->zones);
    free(file->bands);
    free(file->parts);
    for (uint32_t i = 0; i < NPLUG_PARTS_MAX; i++)
        free(file->share_keys[i]);
    free(file);
}

/* --- while it runs --------------------------------------------------------------------------- */

static uint32_t find_action(const nplug_nest *nest, const char *name)
{
    uint32_t i = 0;

    for (const char *known; (known = nplug_action_name(nest, i)) != NULL; i++)
        if (strcmp(known, name) == 0) return i;
    return UINT32_MAX;
}

/* One action's bindings, where they are others than those in force. */
static nplug_result tune(const nplug_game_file *file, nplug_nest *nest, uint32_t action,
                         nf_doc *doc)
{
    const nplug_action_def *def = &file->actions[action];
    uint32_t number = find_action(nest, def->name);
    char at[80];

    NPLUG_SIZED(nplug_action_facts, facts);

    snprintf(at, sizeof at, "/actions/%.48s", def->name);
    if (number == NPLUG_NO_ACTION) {
        nf_warning(doc, at, "this action is new: it takes part when the game starts again");
        return NPLUG_OK;
    }
    nplug_action_info(nest, NPLUG_NOBODY, number, &facts);
    if (facts.kind != def->kind) {
        nf_warning(doc, at, "its kind is another one: it changes when the game starts again");
        return NPLUG_OK;
    }
    if (strcmp(nplug_bindings(nest, NPLUG_EVERYONE, number), def->bindings) == 0) return NPLUG_OK;
    return nplug_bind(nest, NPLUG_EVERYONE, number, def->bindings);
}

nplug_result nplug_game_file_tune(const nplug_game_file *file, nplug_nest *nest, nplug_notes *notes)
{
    nplug_result result = NPLUG_OK;
    char name[256];
    nf_doc doc;

    if (!file || !nest || !notes) return NPLUG_ERR_ARGUMENT;
    snprintf(name, sizeof name, "%s", notes->file);
    doc = nf_doc_begin(file->text, file->length, name, notes);
    for (uint32_t i = 0; i < file->game.action_count && result == NPLUG_OK; i++)
        result = tune(file, nest, i, &doc);
    return result;
}
