/* Prompts that are kept: found anew only when something happened. */
#include "nestplug/nest.h"
#include "prompts.h"
#include <string.h>

/* Whose prompt is kept; the prompts stand apart, since most frames look at none. */
typedef struct kept {
    nplug_player player;
    uint32_t action;
    bool changed;
} kept;

struct nplug_prompter {
    nplug_prompt *prompts; /* as many as there is room for, behind the list */
    uint32_t room, count;
    uint32_t asked;   /* so many were asked for at least once */
    uint32_t changes; /* of the nest, as they were asked for */
    bool fresh;       /* some were kept since */
    bool told;        /* some changed at the last step */
    kept list[];
};

size_t nplug_prompter_memory_needed(uint32_t prompts)
{
    return sizeof(nplug_prompter) + (size_t)prompts * (sizeof(kept) + sizeof(nplug_prompt));
}

nplug_prompter *nplug_prompter_open(uint32_t prompts, void *block, size_t size)
{
    nplug_prompter *prompter = (nplug_prompter *)block;

    if (!block || size < nplug_prompter_memory_needed(prompts)) return NULL;
    memset(prompter, 0, nplug_prompter_memory_needed(prompts));
    prompter->room = prompts;
    prompter->prompts = (nplug_prompt *)(void *)(prompter->list + prompts);
    return prompter;
}

nplug_result nplug_prompter_keep(nplug_prompter *prompter, nplug_player player, uint32_t action,
                                 uint32_t *place)
{
    kept *one;

    if (!prompter) return NPLUG_ERR_ARGUMENT;
    if (prompter->count == prompter->room) return NPLUG_ERR_FULL;
    one = &prompter->list[prompter->count];
    one->player = player;
    one->action = action;
    prompter->fresh = true;
    if (place) *place = prompter->count;
    prompter->count++;
    return NPLUG_OK;
}

/* Whether two prompts show the same: of which sort of device they are is no part of that. */
static bool shows_same(const nplug_prompt *a, const nplug_prompt *b)
{
    return a->size == b->size && a->count == b->count && a->gesture == b->gesture &&
           a->taps == b->taps && a->wait_us == b->wait_us &&
           memcmp(a->parts, b->parts, a->count * sizeof *a->parts) == 0;
}

static bool ask(kept *one, nplug_prompt *prompt, const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_prompt, now);

    if (nplug_prompt_info(nest, one->player, one->action, &now) != NPLUG_OK) now.count = 0;
    one->changed = !shows_same(prompt, &now);
    *prompt = now;
    return one->changed;
}

/* In nearly all steps there is nothing to do: then no prompt is touched. */
uint32_t nplug_prompter_step(nplug_prompter *prompter, const nplug_nest *nest)
{
    uint32_t changed = 0;
    bool anew;

    if (!prompter || !nest) return 0;
    anew = prompter->fresh || prompter->changes != nplug_nest_changes(nest);
    if (!anew && !prompter->told) return 0;
    for (uint32_t i = 0; i < prompter->count; i++) {
        prompter->list[i].changed = false;
        if (anew) changed += ask(&prompter->list[i], &prompter->prompts[i], nest);
    }
    prompter->changes = nplug_nest_changes(nest);
    prompter->fresh = false;
    prompter->asked = prompter->count;
    prompter->told = changed != 0;
    return changed;
}

const nplug_prompt *nplug_prompter_at(const nplug_prompter *prompter, uint32_t place, bool *changed)
{
    bool is = prompter && place < prompter->asked;

    if (changed) *changed = is && prompter->list[place].changed;
    return is ? &prompter->prompts[place] : NULL;
}
