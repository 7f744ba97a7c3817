/* Public calls: they ask the rooms, and post commands; before the first step, they set things up.
 */
#ifndef NP_CALLS_H
#define NP_CALLS_H

#include "core/nest/nest.h"

/* Posts a text in pieces, and then the command that it is for: all, or nothing.  NPLUG_ERR_FULL. */
nplug_result np_post_text(nplug_nest *nest, const char *text, const nplug_command *command);

#endif
