/* Returns: which device that went is the one that comes. */
#ifndef NP_RETURNS_H
#define NP_RETURNS_H

#include "devices.h"

/* The place of the device that this hardware is, or stands for: of those that went a moment ago
 * (`away`), or of those that somebody misses.  By serial number while nobody else here has it, else
 * by socket, else where only one of its sort is in question.  NP_NONE where nothing tells. */
uint32_t np_returns_as(const np_devices *devices, const np_who *who, bool away);

#endif
