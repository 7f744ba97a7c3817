/* The demo's game: tugs in a harbour at night. */
#ifndef TOOL_HARBOUR_H
#define TOOL_HARBOUR_H

#include "nestplug/nestplug.h"

enum {
    HARBOUR_STEER,
    HARBOUR_THROTTLE,
    HARBOUR_HORN,
    HARBOUR_WINCH,
    HARBOUR_LOOK,
    /* of the harbour master's chart, where there is one */
    HARBOUR_BUOY,
    HARBOUR_SHEET,
    HARBOUR_ZOOM,
    /* of the quay crane, worked with the hands */
    HARBOUR_GRAB,
    HARBOUR_SWING,
    HARBOUR_HOOK
};

/* Up to four players, seated by first use. */
nplug_game harbour_game(void);

/* The same, with a chart on a touch table and a crane for two hands. */
nplug_game harbour_game_with_all(void);

/* The demo's trace, compiled in. */
extern const char tool_harbour_trace[];
extern const size_t tool_harbour_trace_size;

#endif
