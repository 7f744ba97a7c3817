#include "support.h"
#include <stdlib.h>

/* Runs every suite, or the one that is named: nestplug-tests [SUITE]. */
/* Read by the address sanitizer.  What was freed is kept from use again up to so many megabytes;
 * the default of 256 fills with the marks of millions of assertions, and every test's leak check
 * looks at all of them: the whole run took six times as long. */
const char *__asan_default_options(void);
const char *__asan_default_options(void)
{
    return "quarantine_size_mb=8";
}

int main(int argc, char **argv)
{
    SRunner *runner = srunner_create(step_suite());
    int failed;

    /* Of the tool, which the tests start, too. */
    setenv("LSAN_OPTIONS", "print_suppressions=0:suppressions=" SOURCE_DIR "/tests/data/leaks.txt",
           0);
    if (argc > 1) setenv("CK_RUN_SUITE", argv[1], 1);
    srunner_add_suite(runner, feed_suite());
    srunner_add_suite(runner, devices_suite());
    srunner_add_suite(runner, values_suite());
    srunner_add_suite(runner, players_suite());
    srunner_add_suite(runner, pointing_suite());
    srunner_add_suite(runner, hands_suite());
    srunner_add_suite(runner, effects_suite());
    srunner_add_suite(runner, sensors_suite());
    srunner_add_suite(runner, offers_suite());
    srunner_add_suite(runner, view_suite());
    srunner_add_suite(runner, keymap_suite());
    srunner_add_suite(runner, atlas_suite());
    srunner_add_suite(runner, cells_suite());
    srunner_add_suite(runner, languages_suite());
    srunner_add_suite(runner, learnt_suite());
    srunner_add_suite(runner, return_suite());
    srunner_add_suite(runner, active_suite());
    srunner_add_suite(runner, uses_suite());
    srunner_add_suite(runner, parts_suite());
    srunner_add_suite(runner, spent_suite());
    srunner_add_suite(runner, sizes_suite());
    srunner_add_suite(runner, slips_suite());
    srunner_add_suite(runner, storm_suite());
    srunner_add_suite(runner, actions_suite());
    srunner_add_suite(runner, gestures_suite());
    srunner_add_suite(runner, strokes_suite());
    srunner_add_suite(runner, taps_suite());
    srunner_add_suite(runner, chords_suite());
    srunner_add_suite(runner, bind_suite());
    srunner_add_suite(runner, game_suite());
    srunner_add_suite(runner, gaps_suite());
    srunner_add_suite(runner, corners_suite());
    srunner_add_suite(runner, wild_suite());
    srunner_add_suite(runner, rates_suite());
    srunner_add_suite(runner, merges_suite());
    srunner_add_suite(runner, recognise_suite());
    srunner_add_suite(runner, units_suite());
    srunner_add_suite(runner, models_suite());
    srunner_add_suite(runner, shaping_suite());
    srunner_add_suite(runner, calibration_suite());
    srunner_add_suite(runner, sim_suite());
    srunner_add_suite(runner, limits_suite());
    srunner_add_suite(runner, linux_suite());
    srunner_add_suite(runner, conform_suite());
    srunner_add_suite(runner, window_suite());
    srunner_add_suite(runner, files_suite());
    srunner_add_suite(runner, fine_print_suite());
    srunner_add_suite(runner, schemas_suite());
    srunner_add_suite(runner, settings_suite());
    srunner_add_suite(runner, attacks_suite());
    srunner_add_suite(runner, house_suite());
    srunner_add_suite(runner, rooms_suite());
    srunner_add_suite(runner, touch_suite());
    srunner_add_suite(runner, tool_suite());
    srunner_run_all(runner, CK_NORMAL);
    failed = srunner_ntests_failed(runner);
    srunner_free(runner);
    return failed ? EXIT_FAILURE : EXIT_SUCCESS;
}
