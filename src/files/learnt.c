/* Profiles: what a person has learnt, by play-through and action. */
#include "learnt.h"
#include "members.h"
#include <stdio.h>

static void check_actions(nf_doc *doc, const json_t *actions, const char *pointer)
{
    const char *name;
    json_t *done;
    char at[320];

    json_object_foreach((json_t *)actions, name, done)
    {
        snprintf(at, sizeof at, "%s/%.60s", pointer, name);
        if (!json_is_integer(done) || json_integer_value(done) < 1 ||
            json_integer_value(done) > UINT32_MAX)
            nf_error(doc, at, "how often the action was done is expected, 1 to 4294967295");
    }
}

void nf_learnt_check(nf_doc *doc, const json_t *learnt, const char *pointer)
{
    const char *play;
    json_t *actions;
    char at[256];

    json_object_foreach((json_t *)learnt, play, actions)
    {
        snprintf(at, sizeof at, "%s/%.60s", pointer, play);
        if (json_is_object(actions))
            check_actions(doc, actions, at);
        else
            nf_error(doc, at, "an object is expected: by action, how often it was done");
    }
}

static void forget_action(json_t *profile, const char *play, const char *action)
{
    json_t *learnt = json_object_get(profile, "learnt"), *actions = json_object_get(learnt, play);

    json_object_del(actions, action);
    if (json_object_size(actions) == 0) json_object_del(learnt, play);
    if (json_object_size(learnt) == 0) json_object_del(profile, "learnt");
}

bool nf_learnt_keep(json_t *profile, const char *play, const char *action, uint32_t done)
{
    json_t *actions;

    if (done == 0) {
        forget_action(profile, play, action);
        return true;
    }
    actions = nf_object_in(nf_object_in(profile, "learnt"), play);
    return json_object_set_new(actions, action, json_integer(done)) == 0;
}

uint32_t nf_learnt_of(const json_t *profile, const char *play, const char *action)
{
    const json_t *actions = json_object_get(json_object_get(profile, "learnt"), play);

    return (uint32_t)json_integer_value(json_object_get(actions, action));
}

void nf_learnt_forget(json_t *profile, const char *play)
{
    json_t *learnt = json_object_get(profile, "learnt");

    if (play) json_object_del(learnt, play);
    if (!play || json_object_size(learnt) == 0) json_object_del(profile, "learnt");
}
