/* What the feed took, kept for whoever writes a trace. */
#ifndef NP_RECORD_H
#define NP_RECORD_H

#include "memory.h"
#include "nestplug/trace.h"

/* How many keys that the game does not bind may be held at once and still be told apart. */
#define NP_RECORD_MASKS 32

typedef struct np_recorder {
    struct {
        uint32_t signal, shown; /* which signal stands for which in the records */
    } mask[NP_RECORD_MASKS];
    uint32_t mask_count;
    nplug_record *list;
    uint32_t size, first, count;
    uint64_t dropped;
} np_recorder;

void np_record_layout(np_recorder *recorder, np_carve *carve, uint32_t size);

/* Whether a trace must not tell which key this signal is: the game does not bind it. */
bool np_record_hides(const nplug_nest *nest, uint32_t signal);

/* `signal` is the place of a value's signal among all signals, or UINT32_MAX. */
void np_record_report(nplug_nest *nest, uint32_t port, const nplug_report *report, uint32_t signal);
void np_record_command(nplug_nest *nest, const nplug_command *command);
void np_record_step(nplug_nest *nest, nplug_time time);

#endif
