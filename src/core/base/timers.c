/* One queue of timers, the earliest first.
 *
 * Owns np_timers.  Comes in: when, and whose.  Goes out: whose is due. */
#include "core/base/base.h"

void np_timers_layout(np_timers *timers, np_arena *arena, uint32_t size)
{
    timers->heap = (np_timer *)np_arena_take(arena, size, sizeof(np_timer));
    timers->size = size;
}

static bool earlier(const np_timer *a, const np_timer *b)
{
    if (a->due != b->due) return a->due < b->due;
    if ((a->kind == NP_TIMER_LOOK) != (b->kind == NP_TIMER_LOOK)) return b->kind == NP_TIMER_LOOK;
    return (int32_t)(a->order - b->order) < 0;
}

static void swap(np_timer *a, np_timer *b)
{
    np_timer was = *a;
    *a = *b;
    *b = was;
}

static void rise(np_timers *timers, uint32_t i)
{
    np_timer *heap = timers->heap;
    for (; i && earlier(&heap[i], &heap[(i - 1) / 2]); i = (i - 1) / 2)
        swap(&heap[i], &heap[(i - 1) / 2]);
}

static void sink(np_timers *timers, uint32_t i)
{
    np_timer *heap = timers->heap;
    for (;;) {
        uint32_t child = 2 * i + 1;
        if (child >= timers->count) return;
        if (child + 1 < timers->count && earlier(&heap[child + 1], &heap[child])) child++;
        if (!earlier(&heap[child], &heap[i])) return;
        swap(&heap[child], &heap[i]);
        i = child;
    }
}

static np_timer take_at(np_timers *timers, uint32_t i)
{
    np_timer taken = timers->heap[i];
    timers->count--;
    timers->heap[i] = timers->heap[timers->count];
    if (i < timers->count) {
        rise(timers, i);
        sink(timers, i);
    }
    return taken;
}

bool np_timers_set(np_timers *timers, nplug_time due, np_timer_kind kind, uint32_t a, uint32_t b)
{
    np_timer *timer = &timers->heap[timers->count];

    if (timers->count == timers->size) return false;
    timer->due = due;
    timer->order = timers->order++;
    timer->kind = (uint16_t)kind;
    timer->a = (uint16_t)a;
    timer->b = b;
    rise(timers, timers->count++);
    return true;
}

/* The place of a timer in the heap; their count where it is not there. */
static uint32_t place_of(const np_timers *timers, np_timer_kind kind, uint32_t a, uint32_t b)
{
    uint32_t i = 0;

    while (i < timers->count &&
           (timers->heap[i].kind != kind || timers->heap[i].a != a || timers->heap[i].b != b))
        i++;
    return i;
}

bool np_timers_waits(const np_timers *timers, np_timer_kind kind, uint32_t a, uint32_t b)
{
    return place_of(timers, kind, a, b) < timers->count;
}

bool np_timers_cancel(np_timers *timers, np_timer_kind kind, uint32_t a, uint32_t b)
{
    uint32_t i = place_of(timers, kind, a, b);
    bool found = i < timers->count;

    if (found) take_at(timers, i);
    return found;
}

nplug_time np_timers_next(const np_timers *timers)
{
    return timers->count ? timers->heap[0].due : UINT64_MAX;
}

np_timer np_timers_take(np_timers *timers)
{
    return take_at(timers, 0);
}
