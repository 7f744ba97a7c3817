/* The shortest game: start, step, one action.  A simulated pad stands in for the hardware, and its
 * south button is pressed after half a second; see docs/guide for the ports to real hardware. */
#include <nestplug/nestplug.h>
#include <stdio.h>

enum { HORN };
static const nplug_action_def actions[] = {
    [HORN] = {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:Space", 0},
};

int main(void)
{
    nplug_game game = nplug_game_for_one("harbour", actions, 1);
    nplug_nest *nest;
    nplug_sim *sim;
    nplug_time begin = nplug_now();
    bool pressed = false;

    if (nplug_start_bare(&game, NULL, &nest) != NPLUG_OK) return 1; /* no real hardware */
    sim = nplug_sim_start(nest);
    nplug_sim_plug(sim, begin, "pad", "heron");
    nplug_sim_press(sim, begin + 500000, "pad", "south", 100000);

    while (!pressed) {
        nplug_step(nest, nplug_now());
        pressed = nplug_presses(nest, NPLUG_EVERYONE, HORN) > 0;
    }
    printf("Hoot!\n");
    nplug_stop(nest);
    return 0;
}
