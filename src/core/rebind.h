/* Bindings that players have of their own, in place of the game's. */
#ifndef NP_REBIND_H
#define NP_REBIND_H

#include "bindings.h"
#include "commands.h"

typedef struct np_rebinds {
    char *text; /* one after the other: player (of comfort, and 128), action (two bytes), the text
                   and its 0 */
    uint32_t used, size;
    char pending[NPLUG_BINDINGS_SIZE]; /* the text of the next command, in pieces */
    uint32_t pending_length;
} np_rebinds;

void np_rebind_layout(np_rebinds *rebinds, np_carve *carve, const nplug_limits *limits);

/* The text that came in pieces before a command; the next one begins anew. */
const char *np_rebind_take_text(nplug_nest *nest);

/* A player's comfort is kept as it was said, where there is room for it; and what it is. */
bool np_rebind_has_room(const nplug_nest *nest, uint32_t player, uint32_t action, const char *text);
void np_rebind_keep_comfort(nplug_nest *nest, uint32_t player, uint32_t action, const char *text);
const char *np_rebind_comfort(const nplug_nest *nest, uint32_t player, uint32_t action);

/* A player's bindings of an action are read anew, as their own. */
void np_rebind_again(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time);

/* Two players have what the other one bound, and the other's comfort. */
void np_rebind_swap(nplug_nest *nest, uint32_t a, uint32_t b, nplug_time time);

/* Commands: a piece of a text; and the text is a player's bindings of an action. */
void np_rebind_text(nplug_nest *nest, const nplug_command *command);
void np_rebind_take(nplug_nest *nest, const nplug_command *command, nplug_time time);

#endif
