/* Profiles: how a person wants the zones of touch surfaces. */
#include "zone_wishes.h"
#include "aids/words.h"
#include "objects.h"
#include "nestplug/device.h"
#include "nestplug/touch.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static const char *const shows[] = {NA_ZONE_SHOW_WORDS};

static const nf_field wish_fields[] = {{.name = "show",
                                        .type = NF_WORD,
                                        NF_INTO(nplug_zone_wish, show),
                                        NF_WORDS(shows),
                                        .sort = "way to show a zone"},
                                       NF_HAND("move", NF_ARRAY),
                                       NF_HAND("scale", NF_NUMBER),
                                       NF_HAND("opacity", NF_NUMBER)};
const nf_object nf_zone_wish_object =
    NF_OBJECT_OF(wish_fields, "settings",
                 "/properties/profiles/additionalProperties/properties/zones/additionalProperties");

/* --- reading -------------------------------------------------------------------------------- */

static bool is_within(const json_t *number, double least, double most)
{
    return json_is_number(number) && json_number_value(number) >= least &&
           json_number_value(number) <= most;
}

static void check_range(nf_doc *doc, const json_t *wish, const char *pointer, const char *member,
                        double least, double most)
{
    const json_t *number = json_object_get(wish, member);
    char at[256];

    snprintf(at, sizeof at, "%s/%s", pointer, member);
    if (number && !is_within(number, least, most))
        nf_error(doc, at, "%g to %g is expected", least, most);
}

static void check_move(nf_doc *doc, const json_t *wish, const char *pointer)
{
    const json_t *move = json_object_get(wish, "move");
    char at[256];

    snprintf(at, sizeof at, "%s/move", pointer);
    if (move && (json_array_size(move) != 2 || !is_within(json_array_get(move, 0), -1, 1) ||
                 !is_within(json_array_get(move, 1), -1, 1)))
        nf_error(doc, at, "two shares of the safe part's width and height, -1 to 1, are expected");
}

void nf_zone_wishes_check(nf_doc *doc, const json_t *wishes, const char *pointer)
{
    nplug_zone_wish unused;
    const char *name;
    json_t *wish;
    char at[224];

    json_object_foreach((json_t *)wishes, name, wish)
    {
        snprintf(at, sizeof at, "%s/%.60s", pointer, name);
        if (!nf_read(doc, wish, at, &nf_zone_wish_object, &unused)) continue;
        check_move(doc, wish, at);
        check_range(doc, wish, at, "scale", 0.25, 4);
        check_range(doc, wish, at, "opacity", 0, 1);
    }
}

/* --- whose a zone is -------------------------------------------------------------------------- */

/* Its name, where it is a player's or nobody's yet: not of a part that others alone hear. */
static const char *name_for(const nplug_nest *nest, nplug_player player, uint32_t zone)
{
    NPLUG_SIZED(nplug_zone_facts, facts);
    const nplug_game *game = nplug_nest_game(nest);
    uint32_t hearers = 0;

    for (uint32_t i = 0; i < nplug_device_count(nest); i++)
        if (nplug_zone_info(nest, nplug_device_at(nest, i), zone, &facts) == NPLUG_OK)
            hearers |= facts.players;
    if (hearers && !((hearers >> (player - 1)) & 1u)) return NULL;
    return ((const nplug_zone_def *)(const void *)((const char *)game->zones +
                                                   (size_t)zone * game->zone_size))
        ->name;
}

/* --- keeping and using ------------------------------------------------------------------------ */

/* A number without the noise of its float. */
static json_t *number_json(float number)
{
    char text[32];

    snprintf(text, sizeof text, "%.4f", (double)number);
    return json_real(strtod(text, NULL));
}

/* All but what is as in the game; NULL where nothing is left. */
static json_t *wish_json(const nplug_zone_wish *wish)
{
    nplug_zone_wish usual = nplug_zone_wish_default();
    json_t *object = json_object();

    if (wish->show != usual.show)
        json_object_set_new(object, "show", json_string(shows[wish->show]));
    if (wish->move.x < -0.0001f || wish->move.x > 0.0001f || wish->move.y < -0.0001f ||
        wish->move.y > 0.0001f)
        json_object_set_new(
            object, "move",
            json_pack("[o, o]", number_json(wish->move.x), number_json(wish->move.y)));
    if (wish->scale != usual.scale) json_object_set_new(object, "scale", number_json(wish->scale));
    if (wish->opacity != usual.opacity)
        json_object_set_new(object, "opacity", number_json(wish->opacity));
    if (json_object_size(object)) return object;
    json_decref(object);
    return NULL;
}

void nf_zone_wishes_keep(json_t *profile, const nplug_nest *nest, nplug_player player)
{
    json_t *kept = json_object_get(profile, "zones");

    if (!json_is_object(kept)) json_object_set_new(profile, "zones", kept = json_object());
    for (uint32_t z = 0; z < nplug_zone_count(nest); z++) {
        const char *name = name_for(nest, player, z);
        NPLUG_SIZED(nplug_zone_wish, wish);
        json_t *object;
        if (!name || nplug_zone_wish_info(nest, z, &wish) != NPLUG_OK) continue;
        object = wish_json(&wish);
        if (object)
            json_object_set_new(kept, name, object);
        else
            json_object_del(kept, name);
    }
    if (json_object_size(kept) == 0) json_object_del(profile, "zones");
}

static float number_of(const json_t *object, const char *member, float otherwise)
{
    const json_t *number = json_object_get(object, member);
    return number ? (float)json_number_value(number) : otherwise;
}

static nplug_zone_wish wish_of(const json_t *object)
{
    nplug_zone_wish wish = nplug_zone_wish_default();
    const json_t *move = json_object_get(object, "move");
    int show = nf_word(shows, sizeof shows / sizeof *shows, nf_string(object, "show", shows[0]));

    if (show > 0) wish.show = (uint32_t)show;
    wish.move.x = (float)json_number_value(json_array_get(move, 0));
    wish.move.y = (float)json_number_value(json_array_get(move, 1));
    wish.scale = number_of(object, "scale", wish.scale);
    wish.opacity = number_of(object, "opacity", wish.opacity);
    return wish;
}

/* What is so already asks for nothing: numbers are kept a little rounded. */
static bool is_so(const nplug_zone_wish *now, const nplug_zone_wish *wish)
{
    json_t *a = wish_json(now), *b = wish_json(wish);
    bool same = a && b ? json_equal(a, b) : a == b;

    json_decref(a);
    json_decref(b);
    return same;
}

nplug_result nf_zone_wishes_use(const json_t *profile, nplug_nest *nest, nplug_player player)
{
    const json_t *kept = json_object_get(profile, "zones");
    nplug_result result = NPLUG_OK;

    for (uint32_t z = 0; z < nplug_zone_count(nest) && result != NPLUG_ERR_FULL; z++) {
        const char *name = name_for(nest, player, z);
        NPLUG_SIZED(nplug_zone_wish, now);
        nplug_zone_wish wish;
        if (!name) continue;
        wish = wish_of(json_object_get(kept, name));
        nplug_zone_wish_info(nest, z, &now);
        if (!is_so(&now, &wish)) result = nplug_set_zone(nest, z, &wish);
    }
    return result == NPLUG_ERR_FULL ? NPLUG_PARTLY : NPLUG_OK;
}
