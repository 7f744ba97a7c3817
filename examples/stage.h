/* What the examples with a screen share: a nest that runs on this machine's hardware, or on what a
 * trace says. */
#ifndef EXAMPLES_STAGE_H
#define EXAMPLES_STAGE_H

#include <nestplug/nestplug.h>

/* Opens a nest for a game; `trace` NULL: with this system's ports. */
nplug_nest *stage_open(const nplug_game *game, const char *trace);

/* Called after each step; false ends it. */
typedef bool (*stage_frame)(void *user, nplug_nest *nest);

/* Steps sixty times a second, or through a trace at once, and closes the nest.  The program's exit
 * status. */
int stage_play(nplug_nest *nest, const char *trace, stage_frame frame, void *user);

/* Clears the screen, where there is one. */
void stage_clear(void);

/* Whether standard output is a terminal on which a cursor can be moved. */
bool stage_has_screen(void);

#endif
