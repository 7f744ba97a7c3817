#include "focus.h"
#include "nest.h"

/* What is not heard any more lets go of everything; what is held when it is heard again is spent.
 */
static void settle(nplug_nest *nest, nplug_time time)
{
    np_values_settle(nest, time);
    for (uint32_t i = 0; i < nest->devices.count; i++) {
        uint32_t device = nest->devices.order[i];
        if (!np_controls_mute(&nest->controls, device, nest->recogniser.of[device].kind)) continue;
        np_sources_let_go(nest, device, NP_ALL_PARTS, time);
        np_guards_empty(nest, device);
        np_values_mark_device(nest, device);
    }
}

void np_focus_mute(nplug_nest *nest, uint32_t kinds, nplug_time time)
{
    np_controls_mute_kinds(&nest->controls, kinds);
    settle(nest, time);
}

void np_focus_take(nplug_nest *nest, bool focused, nplug_time time)
{
    np_controls_deafen_kinds(&nest->controls, focused ? 0 : ~nest->game.def.unfocused_kinds);
    settle(nest, time);
}
