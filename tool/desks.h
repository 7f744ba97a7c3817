/* Who plays with which hardware: a game as each of them is prompted. */
#ifndef DESKS_H
#define DESKS_H

#include "tool.h"

#define DESKS 7

/* A nest with the game for each of them, all for one player. */
typedef struct desks {
    nplug_nest *nests[DESKS];
    const nplug_language *language; /* NULL: English */
} desks;

/* Opens them, with what is printed on keys (labels_open; NULL: not known).  False without memory;
 * desks_close in either case. */
bool desks_open(desks *all, const nplug_game *game, void *labels);
void desks_close(desks *all);

/* What is used there: "keyboard, mouse", or a family's name. */
const char *desks_name(size_t desk);

/* The prompt of an action there, while its layer is on and no other one. */
void desks_ask(const desks *all, size_t desk, uint32_t action, nplug_prompt *prompt);

#endif
