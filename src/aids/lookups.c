/* What the core tells by number, looked up: layers by name, a level's band. */
#include "nestplug/action.h"
#include <math.h>
#include <string.h>

uint32_t nplug_layer_number(const nplug_nest *nest, const char *name)
{
    const char *known;

    for (uint32_t i = 0; name && (known = nplug_layer_name(nest, i)) != NULL; i++)
        if (strcmp(known, name) == 0) return i;
    return NPLUG_NO_LAYER;
}

uint32_t nplug_band_number(const nplug_nest *nest, nplug_player player, uint32_t action)
{
    uint32_t band = NPLUG_NO_BAND;
    nplug_vec2 value;

    NPLUG_SIZED(nplug_action_facts, facts);
    if (nplug_action_info(nest, player, action, &facts) != NPLUG_OK || !facts.policy) return band;
    value = facts.value;
    if (facts.kind == NPLUG_ACTION_VECTOR) value.x = sqrtf(value.x * value.x + value.y * value.y);
    for (uint32_t i = 0; i < facts.policy->band_count; i++)
        if (value.x >= facts.policy->bands[i].begin) band = i;
    return band;
}

const char *nplug_band_name(const nplug_nest *nest, uint32_t action, uint32_t band)
{
    NPLUG_SIZED(nplug_action_facts, facts);
    nplug_action_info(nest, NPLUG_EVERYONE, action, &facts);
    return facts.policy && band < facts.policy->band_count ? facts.policy->bands[band].name : NULL;
}
