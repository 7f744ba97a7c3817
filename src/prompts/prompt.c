/* Prompts: which of the things that a player can do is shown. */
#include "nestplug/active.h"
#include "prompts.h"
#include <string.h>

/* --- which one ----------------------------------------------------------------------------------
 */

/* The first offer that serves: on the active set; else, where nothing was used yet, on a device of
 * the player's, or on none. */
static bool choose(const nplug_nest *nest, nplug_player player, uint32_t action, bool used,
                   nplug_offer *chosen)
{
    NPLUG_SIZED(nplug_offer, offer);
    bool any = false, on_device = false;

    for (uint32_t i = 0; nplug_offer_info(nest, player, action, i, &offer) == NPLUG_OK; i++) {
        bool better = offer.device && !on_device;
        if (!offer.serves || (used && !offer.active)) continue;
        if (any && !better) continue;
        *chosen = offer;
        any = true;
        on_device = offer.device != 0;
        if (used) return true;
    }
    return any;
}

/* --- its parts -----------------------------------------------------------------------------------
 */

static bool has(const nplug_nest *nest, nplug_device device, nplug_control control)
{
    NPLUG_SIZED(nplug_control_facts, info);

    for (uint32_t i = 0; nplug_control_info(nest, device, i, &info) == NPLUG_OK; i++)
        if (info.control == control) return true;
    return false;
}

/* The device that a control is on: the offer's, or another one that is used together with it. */
static nplug_device device_of(const nplug_nest *nest, const nplug_offer *offer,
                              nplug_control control)
{
    if (!offer->device || control == offer->binding.driving[0].control) return offer->device;
    if (has(nest, offer->device, control)) return offer->device;
    for (uint32_t i = 0; i < nplug_device_count(nest); i++)
        if (has(nest, nplug_device_at(nest, i), control)) return nplug_device_at(nest, i);
    return 0;
}

static void add(const nplug_nest *nest, const nplug_offer *offer, nplug_source source,
                nplug_prompt_role role, nplug_prompt *prompt)
{
    nplug_prompt_part *part;

    if (prompt->count == NPLUG_PROMPT_PARTS) return;
    part = &prompt->parts[prompt->count++];
    part->control = source.control;
    part->way = source.way;
    part->role = (uint8_t)role;
    nq_label(nest, device_of(nest, offer, source.control), prompt->language, part);
    if (part->certain > prompt->certain) prompt->certain = part->certain;
}

static nplug_prompt_role role_of(uint32_t driving, uint32_t index)
{
    if (driving == 4) return (nplug_prompt_role)(NPLUG_PROMPT_ROLE_UP + index);
    if (driving == 2) return index ? NPLUG_PROMPT_ROLE_HIGH : NPLUG_PROMPT_ROLE_LOW;
    return NPLUG_PROMPT_ROLE_PRESS;
}

static void fill(const nplug_nest *nest, const nplug_offer *offer, nplug_prompt *prompt)
{
    const nplug_binding *binding = &offer->binding;
    NPLUG_SIZED(nplug_device_facts, info);

    for (uint32_t i = 0; i < binding->held_count; i++)
        add(nest, offer, binding->held[i], NPLUG_PROMPT_ROLE_HELD, prompt);
    for (uint32_t i = 0; i < binding->driving_count; i++)
        add(nest, offer, binding->driving[i], role_of(binding->driving_count, i), prompt);
    prompt->gesture = binding->gesture;
    prompt->taps = binding->taps;
    prompt->wait_us = binding->wait_us;
    prompt->kind = binding->kind;
    if (nplug_device_info(nest, offer->device, &info) != NPLUG_OK) return;
    prompt->kind = info.kind;
    if (strlen(info.family) < sizeof prompt->family)
        memcpy(prompt->family, info.family, strlen(info.family) + 1);
}

/* A prompt that shows nothing yet. */
static nplug_result begin(const nplug_nest *nest, nplug_prompt *prompt)
{
    const nplug_language *language;

    if (!nest || !prompt) return NPLUG_ERR_ARGUMENT;
    if (prompt->size != sizeof *prompt) return NPLUG_ERR_SIZE;
    language = prompt->language;
    memset(prompt, 0, sizeof *prompt);
    prompt->size = (uint32_t)sizeof *prompt;
    prompt->language = language;
    return NPLUG_OK;
}

nplug_result nplug_offer_prompt(const nplug_nest *nest, const nplug_offer *offer,
                                nplug_prompt *prompt)
{
    nplug_result known = begin(nest, prompt);

    if (known != NPLUG_OK) return known;
    if (!offer || offer->size < sizeof *offer) return NPLUG_ERR_ARGUMENT;
    fill(nest, offer, prompt);
    return NPLUG_OK;
}

nplug_result nplug_source_prompt(const nplug_nest *nest, nplug_device device, nplug_source source,
                                 nplug_prompt *prompt)
{
    NPLUG_SIZED(nplug_offer, offer);
    nplug_result known = begin(nest, prompt);
    char name[64];

    if (known != NPLUG_OK) return known;
    if (nplug_control_name(source.control, name, sizeof name) == 0) return NPLUG_ERR_UNKNOWN;
    offer.device = device;
    offer.binding.driving[0] = source;
    offer.binding.driving_count = 1;
    fill(nest, &offer, prompt);
    return NPLUG_OK;
}

nplug_result nplug_prompt_info(const nplug_nest *nest, nplug_player player, uint32_t action,
                               nplug_prompt *prompt)
{
    NPLUG_SIZED(nplug_active_set, active);
    NPLUG_SIZED(nplug_offer, chosen);
    nplug_result known;

    known = begin(nest, prompt);
    if (known != NPLUG_OK) return known;
    if (action >= nplug_action_count(nest)) return NPLUG_ERR_UNKNOWN;
    if (nplug_active_info(nest, player, &active) != NPLUG_OK) return NPLUG_ERR_UNKNOWN;
    if (choose(nest, player, action, active.device && active.present, &chosen))
        fill(nest, &chosen, prompt);
    return NPLUG_OK;
}
