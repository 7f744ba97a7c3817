/* Game files: zones of touch surfaces. */
#include "aids/words.h"
#include "game_file.h"
#include "objects.h"
#include "nestplug/touch.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static const char *const kinds[] = {NA_ZONE_KIND_WORDS};
static const char *const corners[] = {NA_CORNER_WORDS};
static const char *const units[] = {"share", "mm"};

/* A zone, and what its members say beside it. */
typedef struct zone_read {
    nplug_zone_def def;
    uint32_t unit;
    bool round, lands, follows;
} zone_read;

static const nf_field zone_fields[] = {
    {.name = "kind",
     .type = NF_WORD,
     .required = true,
     NF_INTO(zone_read, def.kind),
     NF_WORDS(kinds),
     .sort = "kind of zone"},
    {.name = "at",
     .type = NF_WORD,
     .required = true,
     NF_INTO(zone_read, def.corner),
     NF_WORDS(corners),
     .sort = "corner or edge"},
    {.name = "unit",
     .type = NF_WORD,
     NF_INTO(zone_read, unit),
     NF_WORDS(units),
     .sort = "unit of length"},
    {.name = "priority",
     .type = NF_INTEGER,
     NF_INTO(zone_read, def.priority),
     .least = -1000000,
     .most = 1000000,
     .expected = "-1000000 to 1000000 is expected"},
    {.name = "part",
     .type = NF_INTEGER,
     NF_INTO(zone_read, def.part),
     .least = 0,
     .most = 4,
     .expected = "0 to 4 is expected"},
    {.name = "round", .type = NF_BOOL, NF_INTO(zone_read, round)},
    {.name = "lands", .type = NF_BOOL, NF_INTO(zone_read, lands)},
    {.name = "follows", .type = NF_BOOL, NF_INTO(zone_read, follows)},
    {.name = "as", .type = NF_STRING, NF_INTO(zone_read, def.as)},
    NF_MUST("width", NF_NUMBER),
    NF_MUST("height", NF_NUMBER),
    NF_HAND("x", NF_NUMBER),
    NF_HAND("y", NF_NUMBER),
    NF_HAND("reach", NF_NUMBER),
    NF_HAND("layer", NF_STRING),
    NF_HAND("about", NF_STRING)};
const nf_object nf_zone_object =
    NF_OBJECT_OF(zone_fields, "game", "/properties/zones/additionalProperties");

static float read_length(nf_doc *doc, const json_t *object, const char *member, double least,
                         const char *pointer)
{
    double number = json_number_value(json_object_get(object, member));
    char at[128];

    snprintf(at, sizeof at, "%s/%s", pointer, member);
    if (json_object_get(object, member) && !(number >= least && number <= 10000.0))
        nf_error(doc, at, "%g to 10000 is expected", least);
    return (float)number;
}

static uint32_t read_layer(nf_doc *doc, const nplug_game_file *file, const json_t *object,
                           const char *pointer)
{
    const char *name = nf_string(object, "layer", NULL);
    char at[128], near[96];

    for (uint32_t i = 0; name && i < file->game.layer_count; i++)
        if (strcmp(file->layers[i].name, name) == 0) return i;
    snprintf(at, sizeof at, "%s/layer", pointer);
    if (name)
        nf_error(doc, at, "\"%.40s\" is no layer of this game%s", name,
                 nf_nearest(&file->layers[0].name, file->game.layer_count, sizeof *file->layers,
                            name, near, sizeof near));
    return 0;
}

static void read_zone(nf_doc *doc, nplug_game_file *file, const char *name, const json_t *object)
{
    zone_read zone;
    char pointer[80];

    memset(&zone, 0, sizeof zone);
    snprintf(pointer, sizeof pointer, "/zones/%.48s", name);
    nf_check_name(doc, name, pointer);
    if (!nf_read(doc, object, pointer, &nf_zone_object, &zone)) return;
    zone.def.name = name;
    if (!json_object_get(object, "as")) zone.def.as = NULL;
    zone.def.width = read_length(doc, object, "width", 0.001, pointer);
    zone.def.height = read_length(doc, object, "height", 0.001, pointer);
    zone.def.x = read_length(doc, object, "x", -10000.0, pointer);
    zone.def.y = read_length(doc, object, "y", -10000.0, pointer);
    zone.def.reach = read_length(doc, object, "reach", 0.001, pointer);
    zone.def.layer = read_layer(doc, file, object, pointer);
    zone.def.flags =
        (zone.unit ? NPLUG_ZONE_FLAG_MM : 0u) | (zone.round ? NPLUG_ZONE_FLAG_ROUND : 0u) |
        (zone.lands ? NPLUG_ZONE_FLAG_LANDS : 0u) | (zone.follows ? NPLUG_ZONE_FLAG_FOLLOWS : 0u);
    file->zones[file->game.zone_count++] = zone.def;
}

void nf_game_read_zones(nf_doc *doc, nplug_game_file *file)
{
    json_t *zones = json_object_get(doc->root, "zones"), *value;
    const char *name, *why;
    char pointer[80];
    uint32_t wrong;

    file->game.zones = file->zones;
    file->game.zone_size = (uint32_t)sizeof *file->zones;
    if (json_object_size(zones) > NPLUG_ZONES_MAX) {
        nf_error(doc, "/zones", "%u zones at most", NPLUG_ZONES_MAX);
        return;
    }
    json_object_foreach(zones, name, value) if (!doc->failed) read_zone(doc, file, name, value);
    if (doc->failed) return;
    file->game.layers = file->game.layer_count ? file->layers : NULL;
    file->game.layer_size = (uint32_t)sizeof *file->layers;
    wrong = nplug_game_wrong_zone(&file->game, &why);
    if (wrong == NPLUG_NO_ZONE) return;
    snprintf(pointer, sizeof pointer, "/zones/%.48s", file->zones[wrong].name);
    nf_error(doc, pointer, "the zone %s", why);
}
