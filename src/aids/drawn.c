/* Which zones of a touch surface are drawn for the players who use it. */
#include "nestplug/active.h"
#include "nestplug/action.h"
#include "nestplug/touch.h"

/* Whether a player, or nobody, used a touch surface last, or nothing yet. */
static bool plays_by_touch(const nplug_nest *nest, nplug_player player)
{
    NPLUG_SIZED(nplug_active_set, set);

    if (nplug_active_info(nest, player, &set) != NPLUG_OK) return false;
    return set.device == 0 || set.kind == NPLUG_KIND_TOUCH;
}

bool nplug_zone_drawn(const nplug_nest *nest, nplug_device device, uint32_t zone)
{
    NPLUG_SIZED(nplug_zone_facts, facts);
    NPLUG_SIZED(nplug_zone_wish, wish);

    if (nplug_zone_info(nest, device, zone, &facts) != NPLUG_OK || !facts.shown) return false;
    nplug_zone_wish_info(nest, zone, &wish);
    if (wish.show == NPLUG_ZONE_SHOW_ALWAYS) return true;
    if (facts.players == 0) return plays_by_touch(nest, NPLUG_NOBODY);
    for (nplug_player player = 1; facts.players >> (player - 1); player++)
        if ((facts.players >> (player - 1)) & 1u && nplug_layer_on(nest, player, facts.layer) &&
            plays_by_touch(nest, player))
            return true;
    return false;
}
