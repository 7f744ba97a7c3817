/* The trace port: gives a nest the records of another nest again. */
#ifndef NESTPLUG_REPLAY_H
#define NESTPLUG_REPLAY_H

#include "port.h"

#ifdef __cplusplus
extern "C" {
#endif

/* A replay under way.  The records stay the caller's. */
typedef struct nplug_replay {
    const nplug_record *records;
    size_t count;
    size_t next; /* the record that comes next */
    nplug_ring *ring;
} nplug_replay;

/* Opens a replay of `count` records, which stay the caller's. */
NPLUG_API void nplug_replay_open(nplug_replay *replay, const nplug_record *records, size_t count);

/* Attaches it to one nest; *replay stays the caller's until it is detached or the nest closes.
 * Errors as nplug_attach. */
NPLUG_API nplug_result nplug_replay_attach(nplug_replay *replay, nplug_nest *nest);

/* Prepares one recorded step: from the records up to the next step mark pushes the reports, and
 * puts the commands into `commands` (room for `max`), their number into *command_count and the
 * step's time into *now.  The caller posts the commands and steps.
 * NPLUG_OK; NPLUG_END: no further step; NPLUG_ERR_FULL: the ring or `commands` is too small. */
NPLUG_API nplug_result nplug_replay_next(nplug_replay *replay, nplug_command *commands, size_t max,
                                         size_t *command_count, nplug_time *now);

#ifdef __cplusplus
}
#endif
#endif
