/* Which prompts of a game are not true, or have no picture. */
#ifndef PICTURES_H
#define PICTURES_H

#include "desks.h"

/* Is told one thing that was found. */
typedef void (*pictures_say)(void *user, const char *text);

/* Tells each action that shows nothing somewhere, or by names that nobody may have printed. */
void pictures_guesses(const desks *all, pictures_say say, void *user);

/* Tells which pictures a set has not once: a folder with files of their names, or a file of
 * rectangles as prompts --atlas writes.  False, said on standard error, where it cannot be read. */
bool pictures_missing(const desks *all, const char *set, pictures_say say, void *user);

#endif
