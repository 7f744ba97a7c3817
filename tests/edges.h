/* When actions were pressed and let go, as a model foretells it and as a nest tells it. */
#ifndef TESTS_EDGES_H
#define TESTS_EDGES_H

#include "support.h"

/* Of one action: pressed, let go, in turn. */
typedef struct edges {
    nplug_time at[128];
    unsigned count;
} edges;

void edges_add(edges *edges, nplug_time time);

/* Adds the edges of the last step to those of its actions. */
void edges_see(const nplug_nest *nest, edges *of_action);

bool edges_are_same(const edges *a, const edges *b);

/* A line on standard error; times count from `from`. */
void edges_tell(const char *what, const edges *edges, nplug_time from);

/* A number from 0 to below `limit`; the same ones for the same state at first. */
uint32_t random_below(uint32_t *state, uint32_t limit);

/* Calls for the seeds of one run: NPLUG_SEED (1) and on, NPLUG_CASES (`usual`) in all.  The first
 * `known` games stand in the ledger, under a name. */
void play_cases(const char *name, void (*play_game)(uint32_t seed), uint32_t cases_of_game,
                uint32_t usual, uint32_t known);

#endif
