#include <nestplug/nestplug.h>
#include <stdio.h>

int main(void)
{
    static const nplug_action_def actions[] = {{"horn", NPLUG_ACTION_BUTTON, "pad:south", 0}};
    nplug_nest *nest = nplug_start("outside", actions, 1);

    if (!nest) return 1;
    nplug_step(nest, nplug_now());
    printf("C %s %d\n", nplug_version(), nplug_held(nest, NPLUG_EVERYONE, 0));
    nplug_stop(nest);
    return 0;
}
