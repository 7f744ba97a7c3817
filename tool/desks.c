#include "desks.h"
#include "labels.h"
#include <stdio.h>
#include <string.h>

/* The models that are plugged in together. */
typedef struct hardware_row {
    const char *name;
    const char *models[3];
} hardware_row;

static const hardware_row rows[DESKS] = {
    {"keyboard, mouse", {"turnstone", "stint"}},
    {"quay-letters", {"heron"}},
    {"harbour-marks", {"whimbrel"}},
    {"tide-letters", {"curlew"}},
    {"numbers", {"dunlin"}},
    {"touch", {"tern"}},
    {"hands", {"osprey-left", "osprey-right", "osprey-headset"}}};

/* A nest with the game and hardware, for one player; NULL without memory. */
static nplug_nest *sit_down(const nplug_game *game, const hardware_row *at, void *labels)
{
    nplug_game alone = *game;
    nplug_nest *nest = NULL;
    nplug_sim *sim;

    alone.players = 1;
    alone.seats = NPLUG_SEATS_ONE;
    if (nplug_start_bare(&alone, NULL, &nest) != NPLUG_OK) return NULL;
    labels_use(nest, labels);
    sim = nplug_sim_start(nest);
    for (size_t m = 0; sim && m < 3 && at->models[m]; m++)
        nplug_sim_plug(sim, 0, at->models[m], at->models[m]);
    nplug_step(nest, 1000);
    return nest;
}

bool desks_open(desks *all, const nplug_game *game, void *labels)
{
    bool open = true;

    memset(all, 0, sizeof *all);
    for (size_t d = 0; d < DESKS; d++)
        open &= (all->nests[d] = sit_down(game, &rows[d], labels)) != NULL;
    return open;
}

void desks_close(desks *all)
{
    for (size_t d = 0; d < DESKS; d++)
        nplug_stop(all->nests[d]);
}

size_t desks_count(const desks *all)
{
    return DESKS + (all->family != NULL);
}

const char *desks_name(const desks *all, size_t desk)
{
    return desk < DESKS ? rows[desk].name : all->family;
}

/* --- families ------------------------------------------------------------------------------------
 */

static bool was_told(const nplug_sheet *sheets, uint32_t i)
{
    for (uint32_t s = 0; s < i; s++)
        if (strcmp(sheets[s].family, sheets[i].family) == 0) return true;
    return false;
}

static void tell_families(const char *asked)
{
    uint32_t count;
    const nplug_sheet *sheets = nplug_builtin_sheets(&count);
    const char *before = "";

    fprintf(stderr, "--family %s: no sheet is of that family; there are ", asked);
    for (uint32_t i = 0; i < count; i++) {
        if (!*sheets[i].family || was_told(sheets, i)) continue;
        fprintf(stderr, "%s%s", before, sheets[i].family);
        before = ", ";
    }
    fputc('\n', stderr);
}

bool desks_ask_for(desks *all, const char *family)
{
    bool is = nplug_family_sheet(all->nests[0], family) != NULL;

    if (is)
        all->family = family;
    else
        tell_families(family);
    return is;
}

/* --- asked for -----------------------------------------------------------------------------------
 */

void desks_ask(const desks *all, size_t desk, uint32_t action, nplug_prompt *prompt)
{
    nplug_nest *nest = all->nests[desk < DESKS ? desk : 0];
    NPLUG_SIZED(nplug_action_facts, facts);

    nplug_action_info(nest, 1, action, &facts);
    for (uint32_t l = 0; l < 32; l++)
        nplug_switch_layer(nest, 1, l, l == facts.layer);
    nplug_step(nest, nplug_nest_time(nest));
    prompt->language = all->language;
    if (desk < DESKS)
        nplug_prompt_info(nest, 1, action, prompt);
    else
        nplug_family_prompt(nest, 1, action, all->family, prompt);
}
