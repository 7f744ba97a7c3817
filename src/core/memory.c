#include "memory.h"
#include <string.h>

#define ALIGNMENT ((size_t)16)

void *np_carve_take(np_carve *carve, size_t count, size_t size)
{
    size_t at = carve->used;
    size_t bytes = (count * size + ALIGNMENT - 1) & ~(ALIGNMENT - 1);

    carve->used += bytes;
    if (!carve->base) return NULL;
    memset(carve->base + at, 0, bytes);
    return carve->base + at;
}

void np_span_layout(np_span *span, np_carve *carve, uint32_t size)
{
    span->used = (uint8_t *)np_carve_take(carve, size, 1);
    span->size = size;
}

int32_t np_span_take(np_span *span, uint32_t count)
{
    uint32_t run = 0;

    if (count == 0) return 0;
    for (uint32_t i = 0; i < span->size; i++) {
        run = span->used[i] ? 0 : run + 1;
        if (run < count) continue;
        memset(span->used + (i + 1 - count), 1, count);
        return (int32_t)(i + 1 - count);
    }
    return -1;
}

void np_span_give(np_span *span, uint32_t first, uint32_t count)
{
    memset(span->used + first, 0, count);
}
