/* Devices and values as JSON and as text. */
#ifndef TOOL_DESCRIBE_H
#define TOOL_DESCRIBE_H

#include "tool.h"
#include <jansson.h>

/* A bus by its word ("usb"), or its number in `buffer`. */
const char *describe_bus(uint16_t bus, char *buffer, size_t size);

/* A device's id as all commands show and take it, hexadecimal; NULL for none. */
const char *describe_id(nplug_device device, char buffer[16]);

/* Whom a device belongs to: "1", "1 2", or "nobody". */
void describe_players(uint32_t players, char *buffer, size_t size);

/* A value of so many components: "0.500" or "0.500 -1.000". */
void describe_value(nplug_vec2 value, uint32_t components, char *buffer, size_t size);

/* The same as a number or an array of two. */
json_t *describe_value_json(nplug_vec2 value, uint32_t components);

/* That a device is connected and silent, and why that may be. */
const char *describe_sleep(const nplug_device_facts *info);

/* A device with its signals and controls. */
json_t *describe_device(const nplug_nest *nest, nplug_device device);

/* Prints a JSON value and frees it: indented, or on a line of its own. */
void describe_print(json_t *value, bool indented);

#endif
