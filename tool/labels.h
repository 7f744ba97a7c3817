/* Key labels by the keyboard layouts of the system, where the tool was built with them. */
#ifndef TOOL_LABELS_H
#define TOOL_LABELS_H

#include "nestplug/nestplug.h"

/* A layout ("fr"; NULL: the environment's), to be closed after the nests that use it; NULL, and a
 * message on standard error where `layout` was named, where there is none. */
void *labels_open(const char *layout);
void labels_close(void *labels);

/* From its next step on, a nest's keys are called as the layout has them; NULL does nothing. */
void labels_use(nplug_nest *nest, void *labels);

#endif
