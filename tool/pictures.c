#include "pictures.h"
#include "describe.h"
#include "tool.h"
#include <dirent.h>
#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* A name, the actions that need it by their bits, and how many files have it. */
typedef struct picture {
    char name[48];
    uint64_t actions[4];
    int files;
} picture;

typedef struct album {
    picture *list;
    size_t count, room;
} album;

/* --- which ones are needed ----------------------------------------------------------------------
 */

static picture *find(album *all, const char *name)
{
    for (size_t i = 0; i < all->count; i++)
        if (strcmp(all->list[i].name, name) == 0) return &all->list[i];
    return NULL;
}

static void need(album *all, const char *name, uint32_t action)
{
    picture *one = find(all, name);

    if (!one && all->count == all->room) {
        size_t room = all->room ? 2 * all->room : 64;
        picture *larger = (picture *)realloc(all->list, room * sizeof *larger);
        if (!larger) return;
        all->list = larger;
        all->room = room;
    }
    if (!one) {
        one = &all->list[all->count++];
        memset(one, 0, sizeof *one);
        snprintf(one->name, sizeof one->name, "%s", name);
    }
    if (action < 256) one->actions[action / 64] |= (uint64_t)1 << action % 64;
}

/* All that the action can be done with on the devices that are here. */
static void need_of_action(album *all, const nplug_nest *nest, uint32_t action)
{
    NPLUG_SIZED(nplug_offer, offer);
    NPLUG_SIZED(nplug_prompt, prompt);

    for (uint32_t i = 0; nplug_offer_info(nest, 1, action, i, &offer) == NPLUG_OK; i++) {
        if (!offer.device) continue;
        nplug_offer_prompt(nest, &offer, &prompt);
        for (uint32_t p = 0; p < prompt.count; p++)
            need(all, prompt.parts[p].picture, action);
    }
}

/* --- which ones there are ------------------------------------------------------------------------
 */

/* False where the folder cannot be read. */
static bool look_into(album *all, const char *folder)
{
    DIR *dir = opendir(folder);
    const struct dirent *entry;

    if (!dir) return false;
    while ((entry = readdir(dir)) != NULL) {
        char name[sizeof all->list->name];
        const char *dot = strrchr(entry->d_name, '.');
        picture *one;
        if (!dot || dot == entry->d_name || dot - entry->d_name >= (long)sizeof name) continue;
        snprintf(name, sizeof name, "%.*s", (int)(dot - entry->d_name), entry->d_name);
        if ((one = find(all, name)) != NULL) one->files++;
    }
    closedir(dir);
    return true;
}

/* --- told ----------------------------------------------------------------------------------------
 */

static bool is_for(const picture *one, uint32_t action)
{
    return action < 256 && ((one->actions[action / 64] >> action % 64) & 1u);
}

static int print_text(const album *all, const nplug_nest *nest, const char *folder)
{
    size_t wrong = 0;

    for (size_t i = 0; i < all->count; i++) {
        const picture *one = &all->list[i];
        const char *comma = "";
        if (one->files == 1) continue;
        if (one->files == 0)
            printf("%-24s has no picture, for ", one->name);
        else
            printf("%-24s has %d pictures, for ", one->name, one->files);
        for (uint32_t a = 0; a < nplug_action_count(nest); a++) {
            if (!is_for(one, a)) continue;
            printf("%s%s", comma, nplug_action_name(nest, a));
            comma = ", ";
        }
        putchar('\n');
        wrong++;
    }
    printf("%s: of %zu pictures that are needed, %zu are there just once.\n", folder, all->count,
           all->count - wrong);
    return wrong ? TOOL_WRONG : TOOL_DONE;
}

static int print_json(const album *all, const nplug_nest *nest)
{
    json_t *rows = json_array();
    bool right = true;

    for (size_t i = 0; i < all->count; i++) {
        json_t *actions = json_array();
        for (uint32_t a = 0; a < nplug_action_count(nest); a++)
            if (is_for(&all->list[i], a))
                json_array_append_new(actions, json_string(nplug_action_name(nest, a)));
        json_array_append_new(rows, json_pack("{s:s, s:i, s:o}", "picture", all->list[i].name,
                                              "files", all->list[i].files, "actions", actions));
        right &= all->list[i].files == 1;
    }
    describe_print(rows, true);
    return right ? TOOL_DONE : TOOL_WRONG;
}

static int by_name(const void *a, const void *b)
{
    return strcmp(((const picture *)a)->name, ((const picture *)b)->name);
}

int pictures_check(nplug_nest *const *nests, size_t count, const char *folder, bool as_json)
{
    album all = {NULL, 0, 0};
    int status;

    for (size_t n = 0; n < count; n++)
        for (uint32_t a = 0; a < nplug_action_count(nests[n]); a++)
            need_of_action(&all, nests[n], a);
    if (all.count) qsort(all.list, all.count, sizeof *all.list, by_name);
    if (!look_into(&all, folder)) {
        fprintf(stderr, "%s: %s\n", folder, strerror(errno));
        status = TOOL_WRONG;
    } else {
        status = as_json ? print_json(&all, nests[0]) : print_text(&all, nests[0], folder);
    }
    free(all.list);
    return status;
}
