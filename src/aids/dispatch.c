/* Callbacks, which are the events of the step handed out. */
#include "nestplug/event.h"

static bool wants(const nplug_handler *handler, const nplug_event *event)
{
    return handler->hear && (uint32_t)handler->kind == event->kind &&
           (handler->action == NPLUG_EVERY_ACTION || handler->action == event->action);
}

uint32_t nplug_dispatch(nplug_nest *nest, const nplug_handler *handlers, uint32_t count, void *user)
{
    const nplug_event *event;
    uint32_t calls = 0;

    for (uint32_t e = 0; handlers && (event = nplug_event_at(nest, e)) != NULL; e++)
        for (uint32_t h = 0; h < count; h++) {
            if (!wants(&handlers[h], event)) continue;
            handlers[h].hear(user, nest, event);
            calls++;
        }
    return calls;
}
