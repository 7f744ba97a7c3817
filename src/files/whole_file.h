/* Files that are written whole or not at all. */
#ifndef NF_WHOLE_FILE_H
#define NF_WHOLE_FILE_H

#include "nestplug/base.h"
#include <jansson.h>

/* Writes a text to a new file beside `path`, syncs it, and renames it there: whoever reads
 * finds the old one or the new one.  NPLUG_ERR_FILE (errno says why), NPLUG_ERR_MEMORY. */
nplug_result nf_write_text(const char *path, const char *bytes, size_t length);

/* The same of a document. */
nplug_result nf_write_whole(const char *path, const json_t *root);

#endif
