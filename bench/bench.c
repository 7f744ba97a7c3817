/* Measures the budgets of the design that hold so far; one line a figure: ratio NAME VALUE.
 *
 * Limits: one machine, one process, warm caches; each ratio is the median over alternating rounds
 * of the two sides.  The load is made beforehand, so that making it is not timed. */
#include "count_heap.h"
#include "load.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

static const nplug_action_def actions[] = {
    {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left | keys:KeyW,KeyS,KeyA,KeyD", 0},
    {"aim", NPLUG_ACTION_VECTOR, "pad:stick-right", 0},
    {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right | key:Space", 0},
    {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyH", 0},
    {"winch", NPLUG_ACTION_BUTTON, "pad:west hold=400", 0},
};
enum { HORN = 3 };

/* --- the nest's side ------------------------------------------------------------------------ */

static nplug_nest *open_with_players(nplug_ring **ring)
{
    nplug_game game = nplug_game_for("bench", actions, 5, PADS);
    nplug_limits limits = nplug_limits_default();
    nplug_nest *nest;

    limits.players = PADS;
    nest = open_nest(&game, &limits, ring);
    for (uint32_t pad = 0; pad < PADS; pad++)
        nplug_claim(nest, nplug_device_at(nest, pad), pad + 1);
    return nest;
}

/* --- figures -------------------------------------------------------------------------------- */

/* The presses of all rounds came; one that lasts from a round to the next is none. */
static void check(nplug_nest *nest, const load *load)
{
    NPLUG_SIZED(nplug_action_facts, horn);

    NPLUG_SIZED(nplug_counts, counts);
    nplug_action_info(nest, NPLUG_EVERYONE, HORN, &horn);
    nplug_nest_counts(nest, &counts);
    if (horn.press_count >= load->presses * ROUNDS - ROUNDS * PADS && counts.backwards == 0) return;
    fprintf(stderr, "bench: the load did not come through whole: %llu presses of %zu\n",
            (unsigned long long)horn.press_count, load->presses * ROUNDS);
    exit(1);
}

static void measure_reports(void)
{
    double nest_ns[ROUNDS], read_ns[ROUNDS], ratios[ROUNDS];
    nplug_ring *ring = NULL;
    nplug_nest *nest = open_with_players(&ring);
    unsigned long heap;
    int ends[2];
    load load;

    make_load(&load, 1000);
    if (pipe(ends) != 0) exit(1);
    heap = bench_heap_calls();
    for (unsigned i = 0; i < ROUNDS; i++) {
        nest_ns[i] = run_load(nest, ring, &load, (nplug_time)(i + 1) * SECONDS * 1000000) /
                     (double)load.count;
        read_ns[i] = run_read(ends, load.count);
        ratios[i] = nest_ns[i] / read_ns[i];
    }
    heap = bench_heap_calls() - heap;
    check(nest, &load);
    printf("# %zu reports a round, %d rounds: %.1f ns a report, %.1f ns a read\n", load.count,
           ROUNDS, median(nest_ns, ROUNDS), median(read_ns, ROUNDS));
    printf("ratio report_vs_read %.4f\n", median(ratios, ROUNDS));
    printf("ratio heap_calls_after_open %lu\n", heap);
    nplug_stop(nest);
    free(load.reports);
}

static void measure_memory(void)
{
    nplug_limits limits = nplug_limits_default();
    size_t rings = (size_t)limits.ports * limits.ring_slots * sizeof(nplug_report);

    printf("ratio nest_kib %.1f\n", (double)(nplug_memory_needed(&limits) - rings) / 1024.0);
}

/* All figures, or the one that is named. */
int main(int argc, char **argv)
{
    static const struct {
        const char *name;
        void (*measure)(void);
    } all[] = {{"reports", measure_reports},
               {"memory", measure_memory},
               {"frames", measure_frames},
               {"scale", measure_scale},
               {"players", measure_players},
               {"touch", measure_touch},
               {"poses", measure_poses},
               {"prompts", measure_prompts},
               {"recognition", measure_recognition}};

    for (size_t i = 0; i < sizeof all / sizeof *all; i++)
        if (argc < 2 || strcmp(argv[1], all[i].name) == 0) all[i].measure();
    return 0;
}
