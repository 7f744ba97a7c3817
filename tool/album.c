#include "album.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static picture *find(album *needed, const char *name, const char *label)
{
    for (size_t i = 0; i < needed->count; i++)
        if (strcmp(needed->list[i].name, name) == 0 && strcmp(needed->list[i].label, label) == 0)
            return &needed->list[i];
    return NULL;
}

picture *album_find(album *needed, const char *name)
{
    return find(needed, name, "");
}

bool album_is_for(const picture *one, uint32_t action)
{
    return action < 256 && ((one->actions[action / 64] >> action % 64) & 1u);
}

static void need(album *needed, const char *name, const char *label, uint32_t action)
{
    picture *one = find(needed, name, label);

    if (!one && needed->count == needed->room) {
        size_t room = needed->room ? 2 * needed->room : 64;
        picture *larger = (picture *)realloc(needed->list, room * sizeof *larger);
        if (!larger) return;
        needed->list = larger;
        needed->room = room;
    }
    if (!one) {
        one = &needed->list[needed->count++];
        memset(one, 0, sizeof *one);
        snprintf(one->name, sizeof one->name, "%s", name);
        snprintf(one->label, sizeof one->label, "%s", label);
    }
    if (action < 256) one->actions[action / 64] |= (uint64_t)1 << action % 64;
}

/* Where nobody has such hardware, a control is shown by its place, or not at all. */
static bool is_shown(const nplug_offer *offer, const nplug_prompt_part *part)
{
    return offer->device ||
           (part->certain == NPLUG_CERTAINTY_PLACE && strcmp(part->picture, "key") != 0);
}

/* All that the action can be done with. */
static void need_of_action(album *needed, const desks *all, size_t desk, uint32_t action,
                           bool labels)
{
    const nplug_nest *nest = all->nests[desk];
    NPLUG_SIZED(nplug_offer, offer);
    NPLUG_SIZED(nplug_prompt, prompt);

    prompt.language = all->language;
    for (uint32_t i = 0; nplug_offer_info(nest, 1, action, i, &offer) == NPLUG_OK; i++) {
        nplug_offer_prompt(nest, &offer, &prompt);
        for (uint32_t p = 0; p < prompt.count; p++) {
            const nplug_prompt_part *part = &prompt.parts[p];
            bool key = labels && strcmp(part->picture, "key") == 0;
            if (is_shown(&offer, part)) need(needed, part->picture, key ? part->label : "", action);
        }
    }
}

static int by_name(const void *a, const void *b)
{
    const picture *one = (const picture *)a, *other = (const picture *)b;
    int order = strcmp(one->name, other->name);

    return order ? order : strcmp(one->label, other->label);
}

album album_of(const desks *all, bool labels)
{
    album needed = {NULL, 0, 0};

    for (size_t d = 0; d < DESKS; d++)
        for (uint32_t a = 0; a < nplug_action_count(all->nests[d]); a++)
            need_of_action(&needed, all, d, a, labels);
    if (needed.count) qsort(needed.list, needed.count, sizeof *needed.list, by_name);
    return needed;
}

void album_free(album *needed)
{
    free(needed->list);
}
