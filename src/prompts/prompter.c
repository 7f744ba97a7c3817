/* Prompts that are kept: found anew only when something happened. */
#include "nestplug/action.h"
#include "nestplug/nest.h"
#include "prompts.h"
#include <string.h>

/* Whose prompt is kept; the prompts stand apart, since most frames look at none. */
typedef struct kept {
    nplug_player player;
    uint32_t action;
    uint32_t times, done; /* until it is learnt; 0: it is not taught */
    uint64_t presses;     /* of the action, as they were counted */
    nplug_time moved;     /* of a motion: when it was counted last */
    bool counting;        /* presses were asked for at least once */
    bool changed;
} kept;

struct nplug_prompter {
    nplug_prompt *prompts; /* as many as there is room for, behind the list */
    const nplug_language *language;
    uint32_t room, count;
    uint32_t asked;   /* so many were asked for at least once */
    uint32_t taught;  /* so many are not learnt yet */
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

nplug_result nplug_prompter_speak(nplug_prompter *prompter, const nplug_language *language)
{
    if (!prompter) return NPLUG_ERR_ARGUMENT;
    prompter->fresh |= prompter->language != language;
    prompter->language = language;
    return NPLUG_OK;
}

/* Whether two prompts show the same: of which sort of device they are is no part of that. */
static bool shows_same(const nplug_prompt *a, const nplug_prompt *b)
{
    return a->size == b->size && a->count == b->count && a->gesture == b->gesture &&
           a->taps == b->taps && a->wait_us == b->wait_us && a->language == b->language &&
           memcmp(a->parts, b->parts, a->count * sizeof *a->parts) == 0;
}

/* --- what is learnt ------------------------------------------------------------------------------
 */

#define SECOND 1000000u

static bool is_learnt(const kept *one)
{
    return one->times && one->done >= one->times;
}

static void count_taught(nplug_prompter *prompter)
{
    prompter->taught = 0;
    for (uint32_t i = 0; i < prompter->count; i++)
        prompter->taught += prompter->list[i].times && !is_learnt(&prompter->list[i]);
}

nplug_result nplug_prompter_teach(nplug_prompter *prompter, uint32_t place, uint32_t times,
                                  uint32_t done)
{
    kept *one;

    if (!prompter) return NPLUG_ERR_ARGUMENT;
    if (place >= prompter->count) return NPLUG_ERR_UNKNOWN;
    one = &prompter->list[place];
    one->times = times;
    one->done = done < times ? done : times;
    one->counting = false;
    prompter->fresh = true;
    count_taught(prompter);
    return NPLUG_OK;
}

uint32_t nplug_prompter_done(const nplug_prompter *prompter, uint32_t place)
{
    return prompter && place < prompter->count ? prompter->list[place].done : 0;
}

/* How often the action was done since it was asked the last time. */
static uint64_t done_since(kept *one, const nplug_action_facts *now, nplug_time time)
{
    bool away = now->value.x != 0.0f || now->value.y != 0.0f;
    uint64_t presses = now->press_count - one->presses;

    one->presses = now->press_count;
    if (now->kind != NPLUG_ACTION_MOTION) return presses;
    if (!away || time < one->moved + SECOND) return 0;
    one->moved = time;
    return 1;
}

/* Whether it is learnt by now, and was not before. */
static bool learn(kept *one, const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_action_facts, now);
    uint64_t since;

    if (one->times == 0 || is_learnt(one)) return false;
    if (nplug_action_info(nest, one->player, one->action, &now) != NPLUG_OK) return false;
    since = done_since(one, &now, nplug_nest_time(nest));
    if (one->counting) one->done += (uint32_t)(since < one->times ? since : one->times);
    one->counting = true;
    if (!is_learnt(one)) return false;
    one->done = one->times;
    return true;
}

/* --- the step ------------------------------------------------------------------------------------
 */

static bool ask(kept *one, nplug_prompt *prompt, const nplug_language *language,
                const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_prompt, now);

    now.language = language;
    if (!is_learnt(one)) nplug_prompt_info(nest, one->player, one->action, &now);
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
    if (!anew && !prompter->told && prompter->taught == 0) return 0;
    for (uint32_t i = 0; i < prompter->count; i++) {
        kept *one = &prompter->list[i];
        bool learnt = learn(one, nest);
        one->changed = false;
        if (anew || learnt) changed += ask(one, &prompter->prompts[i], prompter->language, nest);
    }
    count_taught(prompter);
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
