/* The block that a nest lives in: carved once, from front to back, never given back.
 *
 *   nest | rings | nodes, devices, signals | controls, wires | seats | game, links, machines |
 *   actions | events | timers | commands, outbox | records
 *
 * The same walk measures (base NULL) and carves. */
#ifndef NP_MEMORY_H
#define NP_MEMORY_H

#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

typedef struct np_carve {
    unsigned char *base; /* NULL while measuring */
    size_t used;
} np_carve;

/* Room for `count` objects of `size` bytes, aligned for any object and zeroed; NULL while
 * measuring. */
void *np_carve_take(np_carve *carve, size_t count, size_t size);

/* A set of places in a pool, of which runs are taken and given back. */
typedef struct np_span {
    uint8_t *used; /* one bit a place */
    uint32_t size;
} np_span;

void np_span_layout(np_span *span, np_carve *carve, uint32_t size);

/* The first of `count` free places in a row, now taken; -1 where there are none.  A run of none is
 * always at 0. */
int32_t np_span_take(np_span *span, uint32_t count);
void np_span_give(np_span *span, uint32_t first, uint32_t count);

#endif
