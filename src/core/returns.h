/* Returns: which device that went is the one that comes. */
#ifndef NP_RETURNS_H
#define NP_RETURNS_H

#include "devices.h"

/* The place of the device that hardware is, or stands for: by serial number while nobody else here
 * has it, else by socket, else where only one of its sort is in question.  NP_NONE where nothing
 * tells.  Of a node that is complete, among those that went a moment ago; of a device that has
 * come, among those that somebody misses. */
uint32_t np_returns_at_once(const np_devices *devices, uint32_t node);
uint32_t np_returns_as(const np_devices *devices, uint32_t device);

#endif
