/* A pad in the terminal: its sticks and triggers where they are, and its buttons that are down. */
#ifndef TOOL_PAD_H
#define TOOL_PAD_H

#include "nestplug/nestplug.h"

/* Whether a device is a pad. */
bool pad_is(const nplug_nest *nest, nplug_device device);

/* Draws it with its upper left at (x, y), so many cells wide; the first line below is returned. */
int pad_draw(const nplug_nest *nest, nplug_device device, int y, int x, int width);

#endif
