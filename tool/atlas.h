/* All pictures of a game's prompts in one file, and where each is. */
#ifndef ATLAS_H
#define ATLAS_H

#include "desks.h"

/* How high a picture may be, in pixels. */
#define ATLAS_LEAST 8
#define ATLAS_MOST  512

typedef struct atlas_wishes {
    char *path; /* of the image: NAME.png or NAME.svg */
    int size;   /* how high each picture is, in pixels */
    int dark;   /* for a dark screen: the ink is light */
} atlas_wishes;

/* Writes the image, and NAME.json beside it: by name, and of keys by label, the rectangle in
 * pixels.  Returns the tool's status. */
int atlas_write(const desks *all, const atlas_wishes *asked);

#endif
