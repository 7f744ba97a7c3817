#include "desks.h"
#include "labels.h"
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

const char *desks_name(size_t desk)
{
    return rows[desk].name;
}

void desks_ask(const desks *all, size_t desk, uint32_t action, nplug_prompt *prompt)
{
    nplug_nest *nest = all->nests[desk];
    NPLUG_SIZED(nplug_action_facts, facts);

    nplug_action_info(nest, 1, action, &facts);
    for (uint32_t l = 0; l < 32; l++)
        nplug_switch_layer(nest, 1, l, l == facts.layer);
    nplug_step(nest, nplug_nest_time(nest));
    prompt->language = all->language;
    nplug_prompt_info(nest, 1, action, prompt);
}
