/* What a node looks like by its signals alone: its kind, and, where no sheet tells the wires, the
 * shape by which its axes and buttons are guessed. */
#ifndef NP_LOOKS_H
#define NP_LOOKS_H

#include "recognise.h"

np_looks np_looks_of(const np_devices *devices, uint32_t node);

/* NPLUG_KIND_PAD where the shape is a pad's, NPLUG_KIND_UNKNOWN where it is nothing's. */
nplug_kind np_looks_shape(const np_devices *devices, uint32_t node);

/* What a node looks like by its codes and properties, else by its shape. */
nplug_kind np_looks_by_itself(const np_devices *devices, uint32_t node);

/* The wires that the shape of a signal's node gives to the signal: starts with *nth = 0, false at
 * the end. */
bool np_looks_wire(const np_devices *devices, uint32_t signal, uint32_t *nth, nplug_wire *wire);

#endif
