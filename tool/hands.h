/* Hands and a headset where they are, for the terminal view. */
#ifndef TOOL_HANDS_H
#define TOOL_HANDS_H

#include "nestplug/nestplug.h"

/* Whether a device is a hand or a headset. */
bool hands_are(const nplug_nest *nest, nplug_device device);

/* Draws all of them into a box of the screen, from the front and from above, and says what is known
 * of each place. */
void hands_draw(const nplug_nest *nest, int y, int x, int height, int width);

#endif
