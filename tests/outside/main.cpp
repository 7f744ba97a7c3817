#include <cstdio>
#include <nestplug/nestplug.h>

int main()
{
    nplug_setup setup = nplug_setup_default();
    nplug_action_def action = {"horn", NPLUG_ACTION_BUTTON, "pad:south", 0};
    nplug_game game = nplug_game_for("outside", &action, 1, 2);
    nplug_nest *nest = nullptr;

    if (nplug_start_game(&game, &setup, &nest) != NPLUG_OK) return 1;
    nplug_step(nest, nplug_now());
    std::printf("C++ %s %d\n", nplug_version(), nplug_held(nest, NPLUG_EVERYONE, 0));
    nplug_stop(nest);
    return 0;
}
