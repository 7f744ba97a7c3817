/* A program whose game is the tables of a header alone: prints the game's digest. */
#include "harbour_game.h"
#include <stdio.h>

int main(void)
{
    nplug_nest *nest;

    if (nplug_start_bare(&harbour_game, NULL, &nest) != NPLUG_OK) return 1;
    if (nplug_action_number(nest, "close-chart") != HARBOUR_CLOSE_CHART) return 1;
    printf("%016llx\n", (unsigned long long)nplug_game_digest(nest));
    nplug_stop(nest);
    return 0;
}
