/* The terminal view of `watch`. */
#ifndef TOOL_VIEW_H
#define TOOL_VIEW_H

#include "hardware.h"

/* Shows the hardware until it ends or the person does. */
void view_run(hardware *hardware);

#endif
