/* A ready-made layer for menus. */
#include "nestplug/menu.h"
#include "nestplug/bind.h"
#include <string.h>

/* How many wishes a menu has. */
#define WISHES (NPLUG_MENU_WISH_RESTORE + 1u)

bool nplug_menu_at(const nplug_nest *nest, uint32_t first, uint32_t index, nplug_menu_press *press)
{
    const nplug_event *event;

    for (uint32_t i = 0; press && (event = nplug_event_at(nest, i)) != NULL; i++) {
        if (event->kind != NPLUG_EVENT_PRESS || event->action - first >= WISHES) continue;
        if (index-- != 0) continue;
        press->wish = event->action - first;
        press->player = event->player;
        press->device = event->device;
        press->time = event->time;
        return true;
    }
    return false;
}

static nplug_result restore(nplug_nest *nest, nplug_player player, uint32_t action)
{
    nplug_result result = NPLUG_OK;

    if (action != NPLUG_EVERY_ACTION && nplug_is_rebound(nest, player, action))
        result = nplug_bind(nest, player, action, NULL);
    if (result == NPLUG_OK && *nplug_comfort(nest, player, action))
        result = nplug_set_comfort(nest, player, action, "");
    return result == NPLUG_ERR_FULL ? NPLUG_PARTLY : result;
}

nplug_result nplug_restore(nplug_nest *nest, nplug_player player)
{
    nplug_result result;

    if (!nest || player == NPLUG_NOBODY) return NPLUG_ERR_ARGUMENT;
    result = restore(nest, player, NPLUG_EVERY_ACTION);
    for (uint32_t a = 0; result == NPLUG_OK && nplug_action_name(nest, a); a++)
        result = restore(nest, player, a);
    return result;
}
