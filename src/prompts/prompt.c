/* Prompts: which of the things that a player can do is shown. */
#include "nestplug/active.h"
#include "nestplug/nest.h"
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

static void add(const nq_view *view, const nplug_offer *offer, nplug_source source,
                nplug_prompt_role role, nplug_prompt *prompt)
{
    nq_view of_part = *view;
    nplug_prompt_part *part;

    if (prompt->count == NPLUG_PROMPT_PARTS) return;
    part = &prompt->parts[prompt->count++];
    part->control = source.control;
    part->way = source.way;
    part->role = (uint8_t)role;
    of_part.device = device_of(view->nest, offer, source.control);
    nq_label(&of_part, part);
    if (part->certain > prompt->certain) prompt->certain = part->certain;
}

static nplug_prompt_role role_of(uint32_t driving, uint32_t index)
{
    if (driving == 4) return (nplug_prompt_role)(NPLUG_PROMPT_ROLE_UP + index);
    if (driving == 2) return index ? NPLUG_PROMPT_ROLE_HIGH : NPLUG_PROMPT_ROLE_LOW;
    return NPLUG_PROMPT_ROLE_PRESS;
}

static void name_family(nplug_prompt *prompt, const char *family)
{
    size_t length = strlen(family);

    if (length < sizeof prompt->family) memcpy(prompt->family, family, length + 1);
}

/* `prints`: of the family, where the offer has no device; NULL: not known. */
static void fill(const nplug_nest *nest, const nplug_offer *offer, const nplug_sheet *prints,
                 nplug_prompt *prompt)
{
    const nplug_binding *binding = &offer->binding;
    nq_view view = {nest, 0, prints, prompt->language};
    NPLUG_SIZED(nplug_device_facts, info);

    for (uint32_t i = 0; i < binding->held_count; i++)
        add(&view, offer, binding->held[i], NPLUG_PROMPT_ROLE_HELD, prompt);
    for (uint32_t i = 0; i < binding->driving_count; i++)
        add(&view, offer, binding->driving[i], role_of(binding->driving_count, i), prompt);
    prompt->gesture = binding->gesture;
    prompt->taps = binding->taps;
    prompt->wait_us = binding->wait_us;
    prompt->kind = binding->kind;
    if (prints) prompt->kind = prints->kind;
    if (prints) name_family(prompt, prints->family);
    if (nplug_device_info(nest, offer->device, &info) != NPLUG_OK) return;
    prompt->kind = info.kind;
    name_family(prompt, info.family);
}

/* --- of a family ---------------------------------------------------------------------------------
 */

/* Whether an offer is on a device of a family. */
static bool is_on(const nplug_nest *nest, const nplug_offer *offer, const char *family)
{
    NPLUG_SIZED(nplug_device_facts, info);

    return nplug_device_info(nest, offer->device, &info) == NPLUG_OK &&
           strcmp(info.family, family) == 0;
}

/* Whether any device of a sort would have all controls and satisfy what the binding asks. */
static bool is_of(const nplug_binding *binding, const nplug_sheet *sort)
{
    uint32_t confirm = sort->confirm ? sort->confirm : NPLUG_PAD_SOUTH;
    bool all = true;

    for (uint32_t i = 0; i < binding->held_count; i++)
        all &= NPLUG_CONTROL_CLASS(binding->held[i].control) == sort->kind;
    for (uint32_t i = 0; i < binding->driving_count; i++)
        all &= NPLUG_CONTROL_CLASS(binding->driving[i].control) == sort->kind;
    return all && (!binding->kind || binding->kind == sort->kind) &&
           (!binding->confirm || binding->confirm == confirm) && !*binding->sheet &&
           (!*binding->family || strcmp(binding->family, sort->family) == 0);
}

/* The first offer that serves, on a device of that sort, or else on none. */
static bool choose_of(const nplug_nest *nest, nplug_player player, uint32_t action,
                      const nplug_sheet *sort, nplug_offer *chosen)
{
    NPLUG_SIZED(nplug_offer, offer);
    bool any = false;

    for (uint32_t i = 0; nplug_offer_info(nest, player, action, i, &offer) == NPLUG_OK; i++) {
        bool here = is_on(nest, &offer, sort->family);
        if (!offer.serves || (!here && (any || !is_of(&offer.binding, sort)))) continue;
        *chosen = offer;
        if (here) return true;
        chosen->device = 0;
        any = true;
    }
    return any;
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
    fill(nest, offer, NULL, prompt);
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
    fill(nest, &offer, NULL, prompt);
    return NPLUG_OK;
}

static nplug_result begin_of_player(const nplug_nest *nest, nplug_player player, uint32_t action,
                                    nplug_active_set *active, nplug_prompt *prompt)
{
    nplug_result known = begin(nest, prompt);

    if (known != NPLUG_OK) return known;
    if (action >= nplug_action_count(nest)) return NPLUG_ERR_UNKNOWN;
    return nplug_active_info(nest, player, active) == NPLUG_OK ? NPLUG_OK : NPLUG_ERR_UNKNOWN;
}

nplug_result nplug_family_prompt(const nplug_nest *nest, nplug_player player, uint32_t action,
                                 const char *family, nplug_prompt *prompt)
{
    const nplug_sheet *sort = nplug_family_sheet(nest, family);
    NPLUG_SIZED(nplug_active_set, active);
    NPLUG_SIZED(nplug_offer, chosen);
    nplug_result known = begin_of_player(nest, player, action, &active, prompt);

    if (known != NPLUG_OK) return known;
    if (!sort) return NPLUG_ERR_UNKNOWN;
    if (choose_of(nest, player, action, sort, &chosen)) fill(nest, &chosen, sort, prompt);
    return NPLUG_OK;
}

/* Where the player wants one family's prompts, they are of that, as far as that can do it. */
static bool fill_wished(const nplug_nest *nest, nplug_player player, uint32_t action,
                        nplug_prompt *prompt)
{
    NPLUG_SIZED(nplug_following, following);

    nplug_following_info(nest, player, &following);
    if (!following.family || !*following.family) return false;
    return nplug_family_prompt(nest, player, action, following.family, prompt) == NPLUG_OK &&
           prompt->count;
}

nplug_result nplug_prompt_info(const nplug_nest *nest, nplug_player player, uint32_t action,
                               nplug_prompt *prompt)
{
    NPLUG_SIZED(nplug_active_set, active);
    NPLUG_SIZED(nplug_offer, chosen);
    nplug_result known = begin_of_player(nest, player, action, &active, prompt);

    if (known != NPLUG_OK || fill_wished(nest, player, action, prompt)) return known;
    if (choose(nest, player, action, active.device && active.present, &chosen))
        fill(nest, &chosen, NULL, prompt);
    return NPLUG_OK;
}
