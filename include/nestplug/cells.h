/* How wide labels are (utf8proc).  A library of its own, nestplug::cells; for pictures of keys that
 * are stretched, and for tables in a terminal. */
#ifndef NESTPLUG_CELLS_H
#define NESTPLUG_CELLS_H

#include "base.h"

#ifdef __cplusplus
extern "C" {
#endif

/* How many cells of a terminal a text takes (UTF-8): one for each character as people see them (an
 * extended grapheme cluster, UAX #29), two for a wide one (UAX #11), none for marks that are not
 * seen.  A byte that is no UTF-8 counts as one.  0 for NULL. */
NPLUG_API size_t nplug_text_cells(const char *text);

#ifdef __cplusplus
}
#endif
#endif
