/* Which pictures a game's prompts need. */
#ifndef ALBUM_H
#define ALBUM_H

#include "desks.h"

/* A name, and of "key" the label on it; the actions that need it, by their bits. */
typedef struct picture {
    char name[48];
    char label[40];
    uint64_t actions[4];
    int files; /* how many a folder has of that name */
} picture;

typedef struct album {
    picture *list;
    size_t count, room;
} album;

/* All that any action can be done with at any desk, in the order of names and labels; of keys one
 * for each label where `labels`, else one for all.  album_free. */
album album_of(const desks *all, bool labels);
void album_free(album *needed);

/* The picture of that name; NULL where it is not needed. */
picture *album_find(album *needed, const char *name);

/* Whether an action needs a picture. */
bool album_is_for(const picture *one, uint32_t action);

#endif
