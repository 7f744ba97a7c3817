/* A touch surface in the terminal: its zones, and the fingers on it. */
#ifndef TOOL_SURFACE_H
#define TOOL_SURFACE_H

#include "nestplug/nestplug.h"

/* Draws it with its upper left at (x, y), and a line for each contact beside it. */
void surface_draw(const nplug_nest *nest, nplug_device device, int y, int x, int height);

#endif
