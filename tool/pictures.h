/* The pictures that a game's prompts need, held against a folder of them. */
#ifndef TOOL_PICTURES_H
#define TOOL_PICTURES_H

#include "nestplug/nestplug.h"
#include <stdbool.h>

/* Prints for each name of a picture that anything on these nests' devices needs how many files of
 * the folder have that name, with any ending; without `as_json` only those that have not just one.
 * TOOL_DONE where all have one; an unreadable folder is told. */
int pictures_check(nplug_nest *const *nests, size_t count, const char *folder, bool as_json);

#endif
