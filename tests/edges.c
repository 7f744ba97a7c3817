#include "edges.h"
#include "ledger.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

void edges_add(edges *edges, nplug_time time)
{
    ck_assert(edges->count < COUNT_OF(edges->at));
    edges->at[edges->count++] = time;
}

void edges_see(const nplug_nest *nest, edges *of_action)
{
    for (uint32_t i = 0; i < nplug_event_count(nest); i++) {
        const nplug_event *event = nplug_event_at(nest, i);
        bool press = event->kind == NPLUG_EVENT_PRESS;
        if (!press && event->kind != NPLUG_EVENT_RELEASE) continue;
        ck_assert(press == !(of_action[event->action].count & 1u));
        edges_add(&of_action[event->action], event->time);
    }
}

bool edges_are_same(const edges *a, const edges *b)
{
    return a->count == b->count && memcmp(a->at, b->at, a->count * sizeof(nplug_time)) == 0;
}

void edges_tell(const char *what, const edges *edges, nplug_time from)
{
    fprintf(stderr, "  %s:", what);
    for (unsigned i = 0; i < edges->count; i++)
        fprintf(stderr, " %c@%lld", i & 1u ? '-' : '+', (long long)(edges->at[i] - from));
    fprintf(stderr, "\n");
}

uint32_t random_below(uint32_t *state, uint32_t limit)
{
    *state = *state * 1664525u + 1013904223u;
    return (*state >> 8) % limit;
}

static uint32_t number_of(const char *name, uint32_t usual)
{
    const char *text = getenv(name);
    return text ? (uint32_t)strtoul(text, NULL, 10) : usual;
}

void play_cases(const char *name, void (*play_game)(uint32_t seed), uint32_t cases_of_game,
                uint32_t usual, uint32_t known)
{
    uint32_t first = number_of("NPLUG_SEED", 1), cases = number_of("NPLUG_CASES", usual);

    for (uint32_t seed = first; seed < first + cases / cases_of_game; seed++) {
        if (seed <= known) ledger_begin();
        play_game(seed);
        if (seed <= known) ledger_end(name, seed, known);
    }
}
