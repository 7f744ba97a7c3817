/* Commands that wait, the oldest first.
 *
 * Owns nothing: a queue is its holder's.  Comes in: commands.  Goes out: the same, in order. */
#include "core/base/base.h"

void np_queue_layout(np_queue *queue, np_arena *arena, uint32_t size)
{
    queue->list = (nplug_command *)np_arena_take(arena, size, sizeof(nplug_command));
    queue->size = size;
}

/* A place in a queue, less than twice its size, brought back into it. */
static uint32_t wrapped(const np_queue *queue, uint32_t place)
{
    return place < queue->size ? place : place - queue->size;
}

bool np_queue_put(np_queue *queue, const nplug_command *command)
{
    if (queue->count == queue->size) return false;
    queue->list[wrapped(queue, queue->first + queue->count++)] = *command;
    return true;
}

bool np_queue_take(np_queue *queue, nplug_command *command)
{
    if (queue->count == 0) return false;
    *command = queue->list[queue->first];
    queue->first = wrapped(queue, queue->first + 1);
    queue->count--;
    return true;
}
