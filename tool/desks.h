/* Who plays with which hardware: a game as each of them is prompted. */
#ifndef DESKS_H
#define DESKS_H

#include "tool.h"

#define DESKS 7

/* A nest with the game for each of them, all for one player; behind those, where a family is asked
 * for, devices of that. */
typedef struct desks {
    nplug_nest *nests[DESKS];
    const nplug_language *language; /* NULL: English */
    const char *family;             /* NULL: none is asked for */
} desks;

/* How many there are, that of the family included. */
size_t desks_count(const desks *all);

/* Asks for a family, too.  False, said on standard error with those that there are, where no sheet
 * is of it. */
bool desks_ask_for(desks *all, const char *family);

/* Opens them, with what is printed on keys (labels_open; NULL: not known).  False without memory;
 * desks_close in either case. */
bool desks_open(desks *all, const nplug_game *game, void *labels);
void desks_close(desks *all);

/* What is used there: "keyboard, mouse", or a family's name. */
const char *desks_name(const desks *all, size_t desk);

/* The prompt of an action there, while its layer is on and no other one. */
void desks_ask(const desks *all, size_t desk, uint32_t action, nplug_prompt *prompt);

#endif
