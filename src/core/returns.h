/* Returns: which device that went is the one that comes. */
#ifndef NP_RETURNS_H
#define NP_RETURNS_H

#include "devices.h"

/* The place of the device that hardware is, or stands for: by serial number while nobody else here
 * (but `self`) has it, else by socket, which is the one that left it last; these may be one that
 * nobody misses.  Else where only one of its sort is missed, or went a moment ago.  NP_NONE where
 * nothing tells.  Of a node that is complete, one that went a moment ago; of what has come, one
 * that has gone. */
uint32_t np_returns_at_once(const np_devices *devices, uint32_t node);
uint32_t np_returns_as(const np_devices *devices, const np_who *who, uint32_t self);

#endif
