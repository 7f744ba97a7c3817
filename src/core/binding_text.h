/* Reading binding texts: sources, and the options after them. */
#ifndef NP_BINDING_TEXT_H
#define NP_BINDING_TEXT_H

#include "bindings.h"

/* Where in a game the reader stands, and what stopped it. */
typedef struct np_reader {
    nplug_nest *nest;
    np_game *game;
    const nplug_action_def *action;
    uint32_t number; /* the action's */
    const char *at, *end;
    nplug_result result;
    nplug_control controls[4]; /* of the binding that is being read */
    unsigned control_count;
    np_shaping shaping;
} np_reader;

/* Reads the bindings of one action; false where one is wrong (it is in the log, and in `result`).
 */
bool np_action_read(np_reader *in);

/* Says what is wrong: `action "steer", column 12: WHAT`; where it concerns one word, names it.
 * Always false. */
bool np_reader_fail(np_reader *in, const char *what, const char *word, size_t length);

/* One option after a source, such as "hold=600" or "dead=0.1" (options.c). */
bool np_option_read(np_reader *in, np_binding *binding);

/* Whether what shapes it can shape what has no ends. */
bool np_shaping_suits_deltas(const np_shaping *shaping);

#endif
