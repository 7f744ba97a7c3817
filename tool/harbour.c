#include "harbour.h"

static const nplug_action_def actions[] = {
    [HARBOUR_STEER] = {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left | keys:KeyW,KeyS,KeyA,KeyD",
                       0},
    [HARBOUR_THROTTLE] = {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right | key:Space", 0},
    [HARBOUR_HORN] = {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyH | mouse:left", 0},
    [HARBOUR_WINCH] = {"winch", NPLUG_ACTION_BUTTON, "pad:west hold=500 | key:KeyE hold=500", 0},
    [HARBOUR_LOOK] = {"look", NPLUG_ACTION_MOTION, "mouse:move", 0},
};

nplug_game harbour_game(void)
{
    nplug_game game = nplug_game_for("harbour", actions, sizeof actions / sizeof *actions, 4);

    game.wobble_ms = 300;
    return game;
}
