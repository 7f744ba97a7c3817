/* A ready-made layer for menus: one direction at a time, confirm and cancel, pages. */
#ifndef NESTPLUG_MENU_H
#define NESTPLUG_MENU_H

#include "event.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The wishes of somebody in a menu, in the order of the menu's actions in the game's table. */
typedef enum nplug_menu_wish {
    NPLUG_MENU_WISH_UP = 0,
    NPLUG_MENU_WISH_DOWN,
    NPLUG_MENU_WISH_LEFT,
    NPLUG_MENU_WISH_RIGHT,
    NPLUG_MENU_WISH_CONFIRM,
    NPLUG_MENU_WISH_CANCEL,
    NPLUG_MENU_WISH_NEXT,     /* page */
    NPLUG_MENU_WISH_PREVIOUS, /* page */
    NPLUG_MENU_WISH_RESTORE,  /* the defaults, by a long hold that players cannot change */
} nplug_menu_wish;

#define NPLUG_MENU_WAY(way)                                                                        \
    "pad:dpad-" way " repeat=400:120 | pad:stick-left." way " repeat=400:120"

/* The menu's actions, for a game's table: put them in a row, in a layer with a priority above the
 * game's own.  A direction repeats while it is held, after 400 ms and then every 120 ms.  Which of
 * south and east confirms is decided by the print of the pad's family; a player's comfort
 * "swap-confirm" turns it round, and a game that wants one button everywhere binds that instead. */
#define NPLUG_MENU_ACTIONS(layer)                                                                  \
    {"menu-up", NPLUG_ACTION_BUTTON, NPLUG_MENU_WAY("up") " | key:ArrowUp repeat=400:120", layer}, \
        {"menu-down", NPLUG_ACTION_BUTTON,                                                         \
         NPLUG_MENU_WAY("down") " | key:ArrowDown repeat=400:120", layer},                         \
        {"menu-left", NPLUG_ACTION_BUTTON,                                                         \
         NPLUG_MENU_WAY("left") " | key:ArrowLeft repeat=400:120", layer},                         \
        {"menu-right", NPLUG_ACTION_BUTTON,                                                        \
         NPLUG_MENU_WAY("right") " | key:ArrowRight repeat=400:120", layer},                       \
        {"menu-confirm", NPLUG_ACTION_BUTTON, "pad:confirm | key:Enter | key:NumpadEnter", layer}, \
        {"menu-cancel", NPLUG_ACTION_BUTTON, "pad:cancel | key:Escape", layer},                    \
        {"menu-next", NPLUG_ACTION_BUTTON, "pad:shoulder-right | key:PageDown", layer},            \
        {"menu-previous", NPLUG_ACTION_BUTTON, "pad:shoulder-left | key:PageUp", layer},           \
    {                                                                                              \
        "menu-restore", NPLUG_ACTION_BUTTON, "pad:start hold=5000 | key:Escape hold=5000", layer   \
    }

/* Their rules, for a game's table of rules; `first` is the number of "menu-up", and `group` a
 * number of nplug_action_policy.one_of that nothing else has.  Confirm and cancel can never be left
 * unbound. */
#define NPLUG_MENU_RULES(first, group)                                                             \
    NPLUG_MENU_RULE(first, UP, group, ONE), NPLUG_MENU_RULE(first, DOWN, group, ONE),              \
        NPLUG_MENU_RULE(first, LEFT, group, ONE), NPLUG_MENU_RULE(first, RIGHT, group, ONE),       \
        NPLUG_MENU_RULE(first, CONFIRM, 0, ONE), NPLUG_MENU_RULE(first, CANCEL, 0, ONE),           \
        NPLUG_MENU_RULE(first, RESTORE, 0, ALL)
#define NPLUG_MENU_RULE(first, want, group, keep)                                                  \
    {                                                                                              \
        (first) + NPLUG_MENU_WISH_##want, NPLUG_MERGE_STRONGEST, NPLUG_OPPOSITE_NEUTRAL, (group),  \
            NULL, 0, NPLUG_KEEP_##keep, false                                                      \
    }

/* One thing that somebody wanted of the menu. */
typedef struct nplug_menu_press {
    uint32_t wish;       /* an nplug_menu_wish */
    nplug_player player; /* who; NPLUG_NOBODY: somebody without a seat */
    nplug_device device;
    nplug_time time;
} nplug_menu_press;

/* The presses of the last step that were for the menu whose first action is `first`, by index from
 * 0, in order; false past the last one. */
NPLUG_API bool nplug_menu_at(const nplug_nest *nest, uint32_t first, uint32_t index,
                             nplug_menu_press *press);

/* Gives a player the game's own bindings and comfort for everything, at the next step.
 * NPLUG_PARTLY: there was no room for all of it; step, and call again.  NPLUG_ERR_ARGUMENT. */
NPLUG_API nplug_result nplug_restore(nplug_nest *nest, nplug_player player);

/* The word for a number of an nplug_menu_wish: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_menu_wish_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
