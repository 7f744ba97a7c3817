/* How long it takes to recognise a device among 2,000 sheets, against among 20: ratio
 * recognise_2000_vs_20 VALUE.
 *
 * What is timed is one plug and unplug of a pad, whole: its arrival through the ring, recognition,
 * wiring and its departure; the sheets differ by vendor and product, and the pad's is one of them.
 */
#include "load.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define PLUGS 400

typedef struct shelf {
    nplug_nest *nest;
    nplug_sim *sim;
    nplug_rule *matches;
    nplug_sheet *sheets;
    nplug_time now;
} shelf;

/* Sheets with the Heron's wires, of which one is the Heron's own. */
static void fill(shelf *s, uint32_t count)
{
    uint32_t builtin;
    const nplug_sheet *heron = nplug_builtin_sheets(&builtin);

    while (strcmp(heron->name, "heron") != 0)
        heron++;
    s->matches = (nplug_rule *)calloc(count, sizeof *s->matches);
    s->sheets = (nplug_sheet *)calloc(count, sizeof *s->sheets);
    for (uint32_t i = 0; i < count; i++) {
        s->matches[i] = heron->rules[0];
        s->matches[i].vendor = (uint16_t)(i ? 0x1000 + i / 40 : 0xb12d);
        s->matches[i].product = (uint16_t)(i ? 1 + i % 40 : 0x0101);
        s->sheets[i] = *heron;
        s->sheets[i].rule_count = 1;
        s->sheets[i].rules = &s->matches[i];
    }
}

static void open_shelf(shelf *s, uint32_t count)
{
    nplug_game game = nplug_game_for_one("bench", NULL, 0);
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits = nplug_limits_default();
    nplug_sim_limits sim_limits = {2, 16};

    memset(s, 0, sizeof *s);
    fill(s, count);
    limits.rules = 4096;
    setup.limits = &limits;
    if (nplug_start_bare(&game, &setup, &s->nest) != NPLUG_OK) exit(1);
    if (nplug_add_sheets(s->nest, s->sheets, count) != NPLUG_OK) exit(1);
    s->sim = nplug_sim_open(sim_limits, malloc(nplug_sim_memory_needed(sim_limits)),
                            nplug_sim_memory_needed(sim_limits));
    nplug_sim_attach(s->sim, s->nest);
}

static void close_shelf(shelf *s)
{
    nplug_stop(s->nest);
    free(s->sim);
    free(s->matches);
    free(s->sheets);
}

static double plug(shelf *s)
{
    double begin = now_ns();

    for (int i = 0; i < PLUGS; i++) {
        s->now += 1000;
        nplug_sim_plug(s->sim, s->now, "it", "heron");
        nplug_step(s->nest, s->now);
        if (nplug_device_count(s->nest) != 1) exit(1);
        nplug_sim_unplug(s->sim, s->now, "it");
        nplug_step(s->nest, s->now);
    }
    return (now_ns() - begin) / PLUGS;
}

void measure_recognition(void)
{
    double ratios[ROUNDS], many_ns = 0.0;
    shelf few, many;

    open_shelf(&few, 20);
    open_shelf(&many, 2000);
    for (unsigned i = 0; i < ROUNDS; i++) {
        double few_ns = plug(&few);
        many_ns = plug(&many);
        ratios[i] = many_ns / few_ns;
    }
    printf("# %.1f us a plug and unplug among 2,000 sheets\n", many_ns / 1000.0);
    printf("ratio recognise_2000_vs_20 %.2f\n", median(ratios, ROUNDS));
    close_shelf(&few);
    close_shelf(&many);
}
