/* What the core tells by number, looked up: layers by name, a level's band. */
#include "nestplug/action.h"
#include <math.h>
#include <string.h>

int nplug_layer_number(const nplug_nest *nest, const char *name)
{
    const char *known;

    for (uint32_t i = 0; name && (known = nplug_layer_name(nest, i)) != NULL; i++)
        if (strcmp(known, name) == 0) return (int)i;
    return -1;
}

int nplug_band_number(nplug_nest *nest, nplug_player player, uint32_t action)
{
    const nplug_action_policy *rule = nplug_action_rule_of(nest, action);
    nplug_vec2 value = nplug_vector(nest, player, action);
    int band = -1;

    if (!rule) return -1;
    if (nplug_action_kind_of(nest, action) == NPLUG_ACTION_VECTOR)
        value.x = sqrtf(value.x * value.x + value.y * value.y);
    for (uint32_t i = 0; i < rule->band_count && value.x >= rule->bands[i].begin; i++)
        band = (int)i;
    return band;
}

const char *nplug_band_name(const nplug_nest *nest, uint32_t action, int band)
{
    const nplug_action_policy *rule = nplug_action_rule_of(nest, action);

    if (!rule || band < 0 || (uint32_t)band >= rule->band_count) return NULL;
    return rule->bands[band].name;
}
