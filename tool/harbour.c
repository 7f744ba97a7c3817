#include "harbour.h"

static const nplug_action_def actions[] = {
    [HARBOUR_STEER] = {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left | keys:KeyW,KeyS,KeyA,KeyD",
                       0},
    [HARBOUR_THROTTLE] = {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right | key:Space", 0},
    [HARBOUR_HORN] = {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyH | mouse:left", 0},
    [HARBOUR_WINCH] = {"winch", NPLUG_ACTION_BUTTON, "pad:west hold=500 | key:KeyE hold=500", 0},
    [HARBOUR_LOOK] = {"look", NPLUG_ACTION_MOTION, "mouse:move", 0},
    [HARBOUR_BUOY] = {"buoy", NPLUG_ACTION_BUTTON, "zone:chart-tap tap", 0},
    [HARBOUR_SHEET] = {"next-sheet", NPLUG_ACTION_BUTTON, "zone:chart-swipe.left", 0},
    [HARBOUR_ZOOM] = {"zoom", NPLUG_ACTION_LEVEL, "zone:chart-pinch", 0},
    [HARBOUR_GRAB] = {"grab", NPLUG_ACTION_BUTTON, "hand-main:trigger press=0.9 release=0.3", 0},
    [HARBOUR_SWING] = {"swing", NPLUG_ACTION_BUTTON, "hand-off:lower", 0},
    [HARBOUR_HOOK] = {"hook", NPLUG_ACTION_POSE, "hand-main:pose-grip", 0},
};

/* The chart is the whole table, with the harbour's own horn in a corner. */
static const nplug_zone_def zones[] = {
    {.name = "chart", .kind = NPLUG_ZONE_AREA, .priority = -1, .width = 1.0f, .height = 1.0f},
    {.name = "horn",
     .as = "pad:south",
     .corner = NPLUG_CORNER_BOTTOM_RIGHT,
     .flags = NPLUG_ZONE_FLAG_MM | NPLUG_ZONE_FLAG_ROUND,
     .x = 6.0f,
     .y = 6.0f,
     .width = 18.0f,
     .height = 18.0f},
};

nplug_game harbour_game(void)
{
    nplug_game game = nplug_game_for("harbour", actions, HARBOUR_BUOY, 4);

    game.wobble_ms = 300;
    return game;
}

nplug_game harbour_game_with_all(void)
{
    nplug_game game = harbour_game();

    game.action_count = sizeof actions / sizeof *actions;
    game.zones = zones;
    game.zone_count = sizeof zones / sizeof *zones;
    return game;
}
