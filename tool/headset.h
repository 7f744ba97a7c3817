/* Hands and a headset for --port openxr, where the tool was built with that port. */
#ifndef TOOL_HEADSET_H
#define TOOL_HEADSET_H

#include "nestplug/nestplug.h"

/* Attaches the port to a nest, with a sort of controllers beside the simple ones (NULL: none);
 * NULL, and why is said on standard error.  To be freed after the nest stopped. */
void *headset_attach(nplug_nest *nest, const struct nplug_openxr_profile *profile);

#endif
