/* Hardware that somebody plays at standard input: a move a line, as in a trace; a line without a
 * time happens when it comes. */
#ifndef TOOL_LIVE_H
#define TOOL_LIVE_H

#include "tool.h"

typedef struct live {
    char text[65536]; /* what has come and is no whole line yet */
    size_t length;
    unsigned long lines;
    bool ended, wrong; /* nothing more comes; a line was wrong (and it was said how) */
} live;

/* Reads what has come by now, and tells it to the hardware at `now`. */
void live_read(live *live, nplug_sim *sim, nplug_time now);

#endif
