#include "learnt.h"
#include "members.h"
#include "objects.h"
#include "profiles.h"
#include "zone_wishes.h"
#include <stdio.h>
#include <string.h>

static const nf_field profile_fields[] = {
    NF_HAND("bindings", NF_OBJECT), NF_HAND("comfort", NF_OBJECT), NF_HAND("zones", NF_OBJECT),
    NF_HAND("learnt", NF_OBJECT), NF_HAND("about", NF_STRING)};
const nf_object nf_profile_object =
    NF_OBJECT_OF(profile_fields, "settings", "/properties/profiles/additionalProperties");

/* --- reading -------------------------------------------------------------------------------- */

static void check_texts(nf_doc *doc, const json_t *texts, const char *pointer)
{
    const char *name;
    json_t *text;
    char at[256];

    json_object_foreach((json_t *)texts, name, text)
    {
        snprintf(at, sizeof at, "%s/%.60s", pointer, name);
        if (!json_is_string(text))
            nf_error(doc, at, "a text is expected");
        else if (json_string_length(text) >= NPLUG_BINDINGS_SIZE)
            nf_error(doc, at, "%d bytes at most are expected", NPLUG_BINDINGS_SIZE - 1);
    }
}

void nf_profiles_check(nf_doc *doc)
{
    const char *name;
    json_t *profile;
    char at[128], inner[160];

    if (doc->failed) return;
    json_object_foreach(json_object_get(doc->root, "profiles"), name, profile)
    {
        snprintf(at, sizeof at, "/profiles/%.60s", name);
        if (!nf_check(doc, profile, at, &nf_profile_object)) return;
        snprintf(inner, sizeof inner, "%s/bindings", at);
        check_texts(doc, json_object_get(profile, "bindings"), inner);
        snprintf(inner, sizeof inner, "%s/comfort", at);
        check_texts(doc, json_object_get(profile, "comfort"), inner);
        snprintf(inner, sizeof inner, "%s/zones", at);
        nf_zone_wishes_check(doc, json_object_get(profile, "zones"), inner);
        snprintf(inner, sizeof inner, "%s/learnt", at);
        nf_learnt_check(doc, json_object_get(profile, "learnt"), inner);
    }
}

void nf_profiles_migrate(nf_doc *doc)
{
    json_object_set_new(doc->root, "version", json_integer(2));
    if (!json_object_get(doc->root, "profiles"))
        json_object_set_new(doc->root, "profiles", json_object());
}

/* --- keeping -------------------------------------------------------------------------------- */

/* A text is a difference, or it goes. */
static void set_text(json_t *object, const char *name, const char *text, bool differs)
{
    if (differs)
        json_object_set_new(object, name, json_string(text));
    else
        json_object_del(object, name);
}

nplug_result nf_profile_keep(json_t *root, const nplug_nest *nest, nplug_player player,
                             const char *profile)
{
    json_t *place = nf_object_in(nf_object_in(root, "profiles"), profile);
    json_t *bindings = nf_object_in(place, "bindings"), *comfort = nf_object_in(place, "comfort");
    const char *name, *text;

    if (!bindings || !comfort) return NPLUG_ERR_MEMORY;
    for (uint32_t a = 0; (name = nplug_action_name(nest, a)) != NULL; a++) {
        set_text(bindings, name, nplug_bindings(nest, player, a),
                 nplug_is_rebound(nest, player, a));
        text = nplug_comfort(nest, player, a);
        set_text(comfort, name, text, *text != 0);
    }
    text = nplug_comfort(nest, player, NPLUG_EVERY_ACTION);
    set_text(comfort, "*", text, *text != 0);
    nf_zone_wishes_keep(place, nest, player);
    return NPLUG_OK;
}

nplug_result nf_profile_copy(json_t *root, const char *from, const char *to)
{
    json_t *profiles = nf_object_in(root, "profiles"), *copy;

    if (from && !json_object_get(profiles, from)) return NPLUG_ERR_UNKNOWN;
    copy = from ? json_deep_copy(json_object_get(profiles, from)) : json_object();
    json_object_del(copy, "learnt");
    return copy && json_object_set_new(profiles, to, copy) == 0 ? NPLUG_OK : NPLUG_ERR_MEMORY;
}

/* --- what was learnt ------------------------------------------------------------------------ */

static json_t *profile_in(const json_t *root, const char *name)
{
    return json_object_get(json_object_get(root, "profiles"), name);
}

nplug_result nf_profile_keep_learnt(json_t *root, const char *name, const char *play,
                                    const char *action, uint32_t done)
{
    if (done == 0 && !profile_in(root, name)) return NPLUG_OK;
    return nf_learnt_keep(nf_object_in(nf_object_in(root, "profiles"), name), play, action, done)
               ? NPLUG_OK
               : NPLUG_ERR_MEMORY;
}

uint32_t nf_profile_learnt(const json_t *root, const char *name, const char *play,
                           const char *action)
{
    return nf_learnt_of(profile_in(root, name), play, action);
}

void nf_profile_forget_learnt(json_t *root, const char *name, const char *play)
{
    nf_learnt_forget(profile_in(root, name), play);
}

/* --- using ---------------------------------------------------------------------------------- */

/* What is not there yet is asked for; a text that is wrong is in the log, and passed over. */
static nplug_result want_bindings(nplug_nest *nest, nplug_player player, uint32_t action,
                                  const char *text)
{
    bool own = nplug_is_rebound(nest, player, action);
    nplug_result result = NPLUG_OK;

    if (text ? !own || strcmp(nplug_bindings(nest, player, action), text) != 0 : own)
        result = nplug_bind(nest, player, action, text);
    return result == NPLUG_ERR_FULL ? NPLUG_PARTLY : NPLUG_OK;
}

static nplug_result want_comfort(nplug_nest *nest, nplug_player player, uint32_t action,
                                 const char *text)
{
    nplug_result result = NPLUG_OK;

    if (strcmp(nplug_comfort(nest, player, action), text) != 0)
        result = nplug_set_comfort(nest, player, action, text);
    return result == NPLUG_ERR_FULL ? NPLUG_PARTLY : NPLUG_OK;
}

nplug_result nf_profile_use(const json_t *root, nplug_nest *nest, nplug_player player,
                            const char *profile)
{
    const json_t *place = json_object_get(json_object_get(root, "profiles"), profile);
    const json_t *bindings = json_object_get(place, "bindings");
    const json_t *comfort = json_object_get(place, "comfort");
    nplug_result result =
        want_comfort(nest, player, NPLUG_EVERY_ACTION, nf_string(comfort, "*", ""));
    const char *name;

    for (uint32_t a = 0; result == NPLUG_OK && (name = nplug_action_name(nest, a)) != NULL; a++) {
        result = want_bindings(nest, player, a, nf_string(bindings, name, NULL));
        if (result == NPLUG_OK)
            result = want_comfort(nest, player, a, nf_string(comfort, name, ""));
    }
    return result == NPLUG_OK ? nf_zone_wishes_use(place, nest, player) : result;
}
