/* The block that a nest lives in, laid out once from front to back.
 *
 * Owns nothing: arenas and spans are their holders'.  Comes in: limits.  Goes out: arrays; runs of
 * places in pools. */
#include "core/base/base.h"
#include <string.h>

#define ALIGNMENT ((size_t)NP_ALIGN)

/* Under AddressSanitizer no array touches the next one: whoever reads or writes past its end is
 * found. */
#if defined(__has_feature)
#if __has_feature(address_sanitizer)
#define NP_POISONS 1
#endif
#elif defined(__SANITIZE_ADDRESS__)
#define NP_POISONS 1
#endif

#ifdef NP_POISONS
#define GAP ((size_t)64)
void __asan_poison_memory_region(void const volatile *from, size_t size);
void __asan_unpoison_memory_region(void const volatile *from, size_t size);

static void part(unsigned char *from, size_t used, size_t all)
{
    __asan_unpoison_memory_region(from, used);
    __asan_poison_memory_region(from + used, all - used);
}
#else
#define GAP ((size_t)0)

static void part(unsigned char *from, size_t used, size_t all)
{
    (void)from;
    (void)used;
    (void)all;
}
#endif

void *np_arena_take(np_arena *arena, size_t count, size_t size)
{
    size_t at = arena->used;
    size_t bytes = (count * size + ALIGNMENT - 1) & ~(ALIGNMENT - 1);

    arena->used += bytes + GAP;
    if (!arena->base) return NULL;
    part(arena->base + at, bytes + GAP, bytes + GAP);
    memset(arena->base + at, 0, bytes);
    part(arena->base + at, count * size, bytes + GAP);
    return arena->base + at;
}

void np_arena_lay(np_arena *arena, void *room, const nplug_limits *limits, const np_array *arrays,
                  size_t count)
{
    for (size_t i = 0; i < count; i++) {
        size_t players = limits->players + 1u, most;
        uint32_t limit;
        void *taken;
        memcpy(&limit, (const char *)limits + arrays[i].limit, sizeof limit);
        most = arrays[i].how == NP_ARRAY_PLAYERS ? players : limit;
        if (arrays[i].how == NP_ARRAY_BY_PLAYER) most *= players;
        taken = np_arena_take(arena, most, arrays[i].size);
        memcpy((char *)room + arrays[i].pointer, &taken, sizeof taken);
    }
}

void np_span_layout(np_span *span, np_arena *arena, uint32_t size)
{
    span->used = (uint8_t *)np_arena_take(arena, (size + 7u) / 8u, 1);
    span->size = size;
}

static void mark(np_span *span, uint32_t first, uint32_t count, bool used)
{
    for (uint32_t i = first; i < first + count; i++) {
        uint8_t bit = (uint8_t)(1u << (i % 8));
        span->used[i / 8] = (uint8_t)(used ? span->used[i / 8] | bit : span->used[i / 8] & ~bit);
    }
}

int32_t np_span_take(np_span *span, uint32_t count)
{
    uint32_t run = 0;

    if (count == 0) return 0;
    for (uint32_t i = 0; i < span->size; i++) {
        run = (span->used[i / 8] >> (i % 8)) & 1u ? 0 : run + 1;
        if (run < count) continue;
        mark(span, i + 1 - count, count, true);
        return (int32_t)(i + 1 - count);
    }
    return -1;
}

void np_span_give(np_span *span, uint32_t first, uint32_t count)
{
    mark(span, first, count, false);
}
