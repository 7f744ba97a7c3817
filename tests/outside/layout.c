/* Compiled for several targets, and never run: what the headers promise of sizes, and that no
 * struct that may grow has bytes at its end in which a later member could hide. */
#include <nestplug/nestplug.h>

#define PROMISE(type, size) _Static_assert(sizeof(type) == (size), #type)
#define NO_ROOM(type, last)                                                                        \
    _Static_assert(offsetof(type, last) + sizeof(((type *)0)->last) == sizeof(type), #type)

PROMISE(nplug_report, 32);
PROMISE(nplug_event, 64);
PROMISE(nplug_command, 24);
PROMISE(nplug_calibration, 32);
PROMISE(nplug_source, 4);
PROMISE(nplug_control, 2);
PROMISE(nplug_vec2, 8);
PROMISE(nplug_pose, 28);
PROMISE(nplug_limits, 92);
PROMISE(nplug_counts, 104);
PROMISE(nplug_wire, 28);

NO_ROOM(nplug_limits, contacts);
NO_ROOM(nplug_setup, free_block);
NO_ROOM(nplug_counts, records_dropped);
NO_ROOM(nplug_nest_facts, started);
NO_ROOM(nplug_game, zone_count);
NO_ROOM(nplug_contact_facts, reserved);
NO_ROOM(nplug_zone_facts, reserved_2);
NO_ROOM(nplug_surface, bottom);
NO_ROOM(nplug_pointer_facts, reserved);
NO_ROOM(nplug_zone_wish, reserved);
NO_ROOM(nplug_zone_def, reserved);
NO_ROOM(nplug_action_facts, reserved);
NO_ROOM(nplug_active_set, reserved);
NO_ROOM(nplug_following, reserved);
NO_ROOM(nplug_pick, reserved);
NO_ROOM(nplug_pick_facts, reserved);
NO_ROOM(nplug_offer, reserved);
NO_ROOM(nplug_device_facts, lights);
NO_ROOM(nplug_signal_facts, reserved);
NO_ROOM(nplug_control_facts, print);
NO_ROOM(nplug_rule_facts, gives_prints);
NO_ROOM(nplug_reason, text);
NO_ROOM(nplug_calibration_facts, sheet);
NO_ROOM(nplug_learn_question, taken);
NO_ROOM(nplug_sheet, print_size);
NO_ROOM(nplug_port, key_label);
NO_ROOM(nplug_linux_setup, reserved);
NO_ROOM(nplug_linux_facts, reserved);
NO_ROOM(nplug_trace_facts, given);
