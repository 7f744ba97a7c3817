/* Commands on their way: those that the game posted, taken at the next step, and the outbox, where
 * a stage puts what it wants done elsewhere before the next group of reports. */
#ifndef NP_COMMANDS_H
#define NP_COMMANDS_H

#include "memory.h"
#include "nestplug/trace.h"

typedef struct np_queue {
    nplug_command *list;
    uint32_t size, first, count;
} np_queue;

typedef struct np_commands {
    np_queue posted, outbox;
} np_commands;

void np_commands_layout(np_commands *commands, np_carve *carve, uint32_t size);

/* How many bytes of a text one command carries. */
#define NP_TEXT_PIECE 12u

/* Posts a text in pieces, and then the command that it is for: all, or nothing.  NPLUG_ERR_FULL. */
nplug_result np_commands_put_text(nplug_nest *nest, const char *text, const nplug_command *command);

/* false where there is no room. */
bool np_queue_put(np_queue *queue, const nplug_command *command);

/* Takes the oldest command; false where there is none. */
bool np_queue_take(np_queue *queue, nplug_command *command);

#endif
