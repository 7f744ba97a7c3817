/* Parts: how several share keyboards, as the game says it in words. */
#ifndef NP_PARTS_H
#define NP_PARTS_H

#include "nestplug/action.h"
#include "nestplug/control.h"

/* Which part a key is in, from 1; 0 for none. */
uint8_t np_parts_of_key(const nplug_game *game, nplug_control key);

/* Which part mice belong to; 0 for none. */
uint8_t np_parts_of_mice(const nplug_game *game);

/* What is wrong with a game's parts; NULL where nothing is. */
const char *np_parts_wrong(const nplug_game *game);

#endif
