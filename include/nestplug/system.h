/* System conveniences: a clock, and a nest in one call, for the first ten minutes. */
#ifndef NESTPLUG_SYSTEM_H
#define NESTPLUG_SYSTEM_H

#include "action.h"
#include "nest.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The ports' clock on this system, in microseconds (POSIX: CLOCK_MONOTONIC). */
NPLUG_API nplug_time nplug_now(void);

/* Opens a nest for a game in a block from malloc, with the ports that this system has (Linux: pads
 * and the like, by nestplug/linux.h; keyboards and mice are the window's).  `setup` may be NULL:
 * the default one, with a log to standard error.  *nest is NULL on an error: NPLUG_ERR_MEMORY, or
 * the result of a call inside (the log tells).  The game's actions stay the caller's. */
NPLUG_API nplug_result nplug_start_game(const nplug_game *game, const nplug_setup *setup,
                                        nplug_nest **nest);

/* As nplug_start_game, without this system's ports: for games that attach their own, and for
 * simulated hardware. */
NPLUG_API nplug_result nplug_start_bare(const nplug_game *game, const nplug_setup *setup,
                                        nplug_nest **nest);

/* As nplug_start_game, for one player: for the first ten minutes.  NULL on an error, which the log
 * tells. */
static inline nplug_nest *nplug_start(const char *name, const nplug_action_def *actions,
                                      uint32_t count)
{
    nplug_game game = nplug_game_for_one(name, actions, count);
    nplug_nest *nest;

    nplug_start_game(&game, NULL, &nest);
    return nest;
}

/* Ends what the calls above began: stops the ports and frees the block.  Of a nest that nplug_open
 * opened the block stays the caller's.  NULL does nothing. */
NPLUG_API void nplug_stop(nplug_nest *nest);

#ifdef __cplusplus
}
#endif
#endif
