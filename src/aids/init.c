/* The inline forms that give structs with their defaults, as real symbols: for other languages, and
 * for whoever was compiled with headers of another version. */
#include "core/base/base.h"
#include "nestplug/action.h"
#include "nestplug/active.h"
#include "nestplug/bind.h"
#include "nestplug/touch.h"
#include <string.h>

/* As much of the defaults as the caller's struct has room for. */
static nplug_result init(void *to, uint32_t size, const void *usual, size_t first, size_t known)
{
    if (!to) return NPLUG_ERR_ARGUMENT;
    memcpy(to, &size, sizeof size);
    return np_size_give(to, first, usual, known);
}

#define INIT(name, last, usual)                                                                    \
    nplug_result nplug_##name##_init(nplug_##name *to, uint32_t size)                              \
    {                                                                                              \
        nplug_##name known = usual;                                                                \
        return init(to, size, &known, NP_FIRST(nplug_##name, last), sizeof known);                 \
    }

INIT(limits, records, nplug_limits_default())
INIT(setup, free_block, nplug_setup_default())
INIT(following, reserved, nplug_following_default())
INIT(zone_wish, reserved, nplug_zone_wish_default())
INIT(pick, reserved, nplug_pick_default())
INIT(game, reserved, nplug_game_for_one("", NULL, 0))
