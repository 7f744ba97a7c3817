/* The words for numbers, each list once: in the order of its enum, as files and messages write
 * them. */
#ifndef NA_WORDS_H
#define NA_WORDS_H

#define NA_ACTION_KIND_WORDS "button", "level", "vector", "motion", "pose"
#define NA_MERGE_WORDS       "strongest", "latest", "added"
#define NA_OPPOSITE_WORDS    "neutral", "latest", "first", "low", "high"
#define NA_KEEP_WORDS        "nothing", "one", "all"
#define NA_ZONE_KIND_WORDS   "button", "stick", "dpad", "slider", "area"
#define NA_ZONE_SHOW_WORDS   "touch", "always", "never"
#define NA_CORNER_WORDS                                                                            \
    "top-left", "top", "top-right", "left", "middle", "right", "bottom-left", "bottom",            \
        "bottom-right"
#define NA_SEATS_WORDS          "one", "first-use", "call", "action", "arrival"
#define NA_WAY_WORDS            "whole", "x", "y", "right", "left", "up", "down"
#define NA_GESTURE_WORDS        "press", "on-release", "tap", "hold", "repeat"
#define NA_CALIBRATE_MODE_WORDS "follow", "measure", "take", "fix", "reset"
#define NA_LEARN_PHASE_WORDS    "loosen", "rest", "move", "back", "done", "gone"
#define NA_MENU_WISH_WORDS                                                                         \
    "up", "down", "left", "right", "confirm", "cancel", "next", "previous", "restore"
#define NA_TIME_SOURCE_WORDS "kernel", "server", "frame"
#define NA_TEXT_WORDS        "name", "serial", "socket", "unit"
#define NA_EFFECT_KIND_WORDS "rumble", "lights"
#define NA_RECORD_KIND_WORDS "report", "command", "step"
#define NA_RULE_FIELD_WORDS                                                                        \
    "product", "vendor", "version", "bus", "kind", "space", "has", "lacks", "axis", "none"
#define NA_KEY_SCHEME_WORDS "hid", "kernel", "x11", "set1"
#define NA_REPORT_KIND_WORDS                                                                       \
    "value", "arrive", "text", "signal", "detail", "ready", "depart", "dropped", "resync-begin",   \
        "resync-end", "focus", "layout", "battery", "label", "awake"
#define NA_COMMAND_KIND_WORDS                                                                      \
    "none", "claim", "unclaim", "leave", "layer", "rumble", "join", "clocks", "lights", "ignore",  \
        "calibrate", "text", "bind", "pick", "pick-end", "comfort", "mute", "nothing", "swap",     \
        "follow", "active", "surface", "zone", "dominant", "pause-rumble"
#define NA_MOVE_KIND_WORDS                                                                         \
    "arrive", "depart", "press", "release", "sweep", "signal", "end", "circle", "flick", "noise",  \
        "pose", "layout", "battery", "roll", "touch", "asleep"
#define NA_READING_WORDS                                                                           \
    "whole", "from-low", "from-high", "when-low", "when-high", "half-low", "half-high",            \
        "round-up", "round-right", "round-down", "round-left", "round-x", "round-y", "present",    \
        "scaled", "sensed"

#endif
