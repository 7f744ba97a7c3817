/* The word for each number that a struct may hold, as files and messages write it. */
#include "aids/words.h"
#include "nestplug/nestplug.h"

#define WORDS(function, ...)                                                                       \
    const char *function(uint32_t number)                                                          \
    {                                                                                              \
        static const char *const words[] = {__VA_ARGS__};                                          \
        const char *word = number < sizeof words / sizeof *words ? words[number] : NULL;           \
        return word ? word : "unknown";                                                            \
    }

WORDS(nplug_action_kind_name, NA_ACTION_KIND_WORDS)
WORDS(nplug_merge_name, NA_MERGE_WORDS)
WORDS(nplug_opposite_name, NA_OPPOSITE_WORDS)
WORDS(nplug_keep_name, NA_KEEP_WORDS)
WORDS(nplug_seats_name, NA_SEATS_WORDS)
WORDS(nplug_zone_kind_name, NA_ZONE_KIND_WORDS)
WORDS(nplug_zone_show_name, NA_ZONE_SHOW_WORDS)
WORDS(nplug_corner_name, NA_CORNER_WORDS)
WORDS(nplug_way_name, NA_WAY_WORDS)
WORDS(nplug_gesture_name, NA_GESTURE_WORDS)
WORDS(nplug_calibrate_mode_name, NA_CALIBRATE_MODE_WORDS)
WORDS(nplug_learn_phase_name, NA_LEARN_PHASE_WORDS)
WORDS(nplug_menu_wish_name, NA_MENU_WISH_WORDS)
WORDS(nplug_time_source_name, NA_TIME_SOURCE_WORDS)
WORDS(nplug_text_name, NA_TEXT_WORDS)
WORDS(nplug_effect_kind_name, NA_EFFECT_KIND_WORDS)
WORDS(nplug_record_kind_name, NA_RECORD_KIND_WORDS)
WORDS(nplug_rule_field_name, NA_RULE_FIELD_WORDS)
WORDS(nplug_key_scheme_name, NA_KEY_SCHEME_WORDS)
WORDS(nplug_report_kind_name, NA_REPORT_KIND_WORDS)
WORDS(nplug_command_kind_name, NA_COMMAND_KIND_WORDS)
WORDS(nplug_move_kind_name, NA_MOVE_KIND_WORDS)
WORDS(nplug_reading_name, NA_READING_WORDS)
