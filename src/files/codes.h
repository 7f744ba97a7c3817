/* Names of signals' codes, and of a control's components, as files write them. */
#ifndef NF_CODES_H
#define NF_CODES_H

#include "core/base/base.h"
#include "nestplug/report.h"

/* The code spaces by their words in files, in the order of nplug_space. */
extern const char *const nf_space_names[NP_SPACES];

/* The components of a control that has several, by their words in files: of a stick the first two,
 * of a sensor three, of a pose its place and direction (7), its tracking, its velocity and its turn
 * rate. */
#define NF_COMPONENTS 14
extern const char *const nf_component_names[NF_COMPONENTS];

/* The number of a code by its name in a space: in `evdev` the names of the Linux kernel's input
 * interface (BTN_SOUTH, ABS_X, REL_WHEEL), type << 16 | code; in `openxr` paths such as
 * "trigger/value"; false where there is none. */
bool nf_code_from_name(nplug_space space, const char *name, uint32_t *code);

/* The names of a space, for suggestions, and how far apart in bytes; NULL where it has none. */
const char *const *nf_code_names(nplug_space space, size_t *count, size_t *stride);

#endif
