/* Settings: what people have otherwise than the game, from one run to the next. */
#include "support.h"
#include <jansson.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

static nplug_settings *parse(const char *text)
{
    nplug_settings *settings;
    nplug_notes notes;

    ck_assert_int_eq(nplug_settings_parse(text, strlen(text), "s", &settings, &notes), NPLUG_OK);
    return settings;
}

static void open_two(test_rig *rig)
{
    nplug_game game = harbour_for(2);

    rig_open(rig, &game, NULL);
    nplug_sim_plug(rig->sim, 0, "pad", "heron");
    rig_step(rig, 0);
}

/* Everything that a player has is there again after a save and a load, and nothing more. */
TEST(a_profile_comes_back_as_it_was)
{
    char text[4096];
    nplug_settings *settings = nplug_settings_new(), *again;
    test_rig one, two;

    open_two(&one);
    nplug_bind(one.nest, 1, HORN, "pad:north | key:KeyJ hold=80");
    nplug_bind(one.nest, 1, MENU, "");
    nplug_set_comfort(one.nest, 1, WINCH, "toggle lasts=40");
    nplug_set_comfort(one.nest, 1, NPLUG_EVERY_ACTION, "slower=1.5 sticky");
    rig_step(&one, MS);
    ck_assert_int_eq(nplug_settings_keep_player(settings, one.nest, 1, "ann"), NPLUG_OK);
    ck_assert_int_eq(nplug_settings_copy_profile(settings, "ann", "bob"), NPLUG_OK);
    ck_assert_int_eq(nplug_settings_copy_profile(settings, "nobody", "bob"), NPLUG_ERR_UNKNOWN);
    ck_assert_uint_lt(nplug_settings_text(settings, text, sizeof text), sizeof text);
    ck_assert_ptr_null(strstr(text, "steer")); /* only what differs */
    again = parse(text);
    ck_assert_str_eq(nplug_settings_profile_at(again, 1), "bob");
    ck_assert_ptr_null(nplug_settings_profile_at(again, 2));
    open_two(&two);
    ck_assert_int_eq(nplug_settings_use_player(again, two.nest, 2, "bob"), NPLUG_OK);
    rig_step(&two, MS);
    ck_assert_str_eq(nplug_bindings(two.nest, 2, HORN), "pad:north | key:KeyJ hold=80");
    ck_assert_str_eq(nplug_bindings(two.nest, 2, MENU), "");
    ck_assert_str_eq(nplug_comfort(two.nest, 2, WINCH), "toggle lasts=40");
    ck_assert_str_eq(nplug_comfort(two.nest, 2, NPLUG_EVERY_ACTION), "slower=1.5 sticky");
    ck_assert(!nplug_is_rebound(two.nest, 1, HORN) && !nplug_is_rebound(two.nest, 2, STEER));
    /* another person sits down: what is not theirs goes */
    ck_assert_int_eq(nplug_settings_use_player(again, two.nest, 2, "cleo"), NPLUG_OK);
    rig_step(&two, 2 * MS);
    ck_assert(!nplug_is_rebound(two.nest, 2, HORN) && !nplug_is_rebound(two.nest, 2, MENU));
    ck_assert_str_eq(nplug_comfort(two.nest, 2, WINCH), "");
    rig_close(&one);
    rig_close(&two);
    nplug_settings_free(settings);
    nplug_settings_free(again);
}

/* A profile that is larger than the queue of commands comes in several steps. */
TEST(a_large_profile_comes_in_several_steps)
{
    static const char text[] =
        "{\"nestplug\": \"settings\", \"version\": 2, \"profiles\": {\"ann\": {\"bindings\": {"
        "\"horn\": \"pad:north | key:KeyJ | key:KeyK | key:KeyL\","
        "\"winch\": \"pad:east | key:KeyQ | key:KeyR | key:KeyT\","
        "\"menu\": \"pad:select | key:KeyY | key:KeyU | key:KeyI\","
        "\"anchor\": \"pad:home\"}, \"comfort\": {\"horn\": \"tgle\"}}}}";
    nplug_limits limits = nplug_limits_default();
    nplug_game game = harbour_for(2);
    nplug_settings *settings = parse(text);
    nplug_result result = NPLUG_PARTLY;
    unsigned steps = 0;
    test_rig rig;

    limits.commands = 8;
    rig_open(&rig, &game, &limits);
    for (; result == NPLUG_PARTLY && steps < 10; steps++) {
        result = nplug_settings_use_player(settings, rig.nest, 1, "ann");
        rig_step(&rig, steps * MS);
    }
    ck_assert_int_eq(result, NPLUG_OK);
    ck_assert_uint_ge(steps, 3);
    ck_assert_str_eq(nplug_bindings(rig.nest, 1, MENU),
                     "pad:select | key:KeyY | key:KeyU | key:KeyI");
    ck_assert_ptr_nonnull(strstr(rig.log, "\"tgle\"")); /* what is wrong is told, and passed over */
    rig_close(&rig);
    nplug_settings_free(settings);
}

TEST(an_older_version_is_read_and_what_is_not_known_here_stays)
{
    static const char old[] =
        "{\"nestplug\": \"settings\", \"version\": 1, \"tide\": {\"high\": 3},"
        " \"calibrations\": [{\"device\": \"12ab\", \"space\": \"evdev\", \"code\": 3, \"rest\": 4,"
        " \"low\": 0, \"high\": 9}]}";
    nplug_settings *settings = parse(old);
    json_t *root;
    char text[4096];
    test_rig rig;

    open_two(&rig);
    nplug_bind(rig.nest, 1, HORN, "pad:north");
    rig_step(&rig, MS);
    nplug_settings_keep_player(settings, rig.nest, 1, "ann");
    nplug_settings_text(settings, text, sizeof text);
    root = json_loads(text, 0, NULL);
    ck_assert_int_eq(json_integer_value(json_object_get(root, "version")), 2);
    ck_assert_int_eq(json_integer_value(json_object_get(json_object_get(root, "tide"), "high")), 3);
    ck_assert_uint_eq(json_array_size(json_object_get(root, "calibrations")), 1);
    json_decref(root);
    rig_close(&rig);
    nplug_settings_free(settings);
}

/* A file that was cut, at whatever byte, is refused with a place, and what is in force stays. */
TEST(a_half_written_file_leaves_the_last_good_one_in_force)
{
    static const char text[] =
        "{\"nestplug\": \"settings\", \"version\": 2, \"profiles\": {\"ann\": "
        "{\"bindings\": {\"horn\": \"pad:north\"}}}}";
    nplug_settings *good = parse(text), *other;
    nplug_notes notes;

    for (size_t cut = 0; cut + 1 < sizeof text; cut++) {
        ck_assert_int_eq(nplug_settings_parse(text, cut, "s", &other, &notes), NPLUG_ERR_FORMAT);
        ck_assert_ptr_null(other);
        ck_assert_uint_ge(notes.count, 1);
        ck_assert_uint_ge(notes.note[0].line, 1);
    }
    ck_assert_str_eq(nplug_settings_profile_at(good, 0), "ann");
    nplug_settings_free(good);
}

/* --- game files ------------------------------------------------------------------------------ */

static nplug_game_file *read_game(const char *path, nplug_notes *notes)
{
    nplug_game_file *file = NULL;

    ck_assert_int_eq(nplug_game_file_read(path, &file, notes), NPLUG_OK);
    return file;
}

TEST(a_game_file_is_a_game)
{
    nplug_notes notes;
    nplug_game_file *file = read_game(SOURCE_DIR "/tool/demo/harbour.game", &notes);
    int throttle, chart_up;
    test_rig rig;

    rig_open(&rig, nplug_game_file_game(file), NULL);
    throttle = nplug_action_number(rig.nest, "throttle");
    chart_up = nplug_action_number(rig.nest, "chart-up");
    nplug_sim_plug(rig.sim, 0, "pad", "whimbrel");
    nplug_sim_press(rig.sim, MS, "pad", "start", 10 * MS);
    nplug_sim_sweep(rig.sim, 20 * MS, "pad", "trigger-right", (nplug_vec2){0.5f, 0.0f}, 0);
    rig_step(&rig, 30 * MS);
    ck_assert_str_eq(nplug_band_name(rig.nest, (uint32_t)throttle,
                                     nplug_band_number(rig.nest, 1, (uint32_t)throttle)),
                     "cruise");
    nplug_switch_layer(rig.nest, 1, (uint32_t)nplug_layer_number(rig.nest, "chart"), true);
    nplug_sim_press(rig.sim, 40 * MS, "pad", "dpad-up", SECOND);
    rig_step(&rig, SECOND);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, (uint32_t)chart_up),
                      6); /* 40, 440, 560, ... 920 */
    rig_close(&rig);
    nplug_game_file_free(file);
}

/* Tuning without a restart: by name, and what is held stays held. */
TEST(a_changed_game_file_is_loaded_while_it_runs)
{
    static const char was[] =
        "{\"nestplug\": \"game\", \"version\": 1, \"name\": \"g\", \"actions\": {"
        " \"horn\": {\"kind\": \"button\", \"bindings\": \"pad:south\"},"
        " \"winch\": {\"kind\": \"button\", \"bindings\": \"pad:west\"}}}";
    static const char is[] =
        "{\"nestplug\": \"game\", \"version\": 1, \"name\": \"g\", \"actions\": {"
        " \"bell\": {\"kind\": \"button\", \"bindings\": \"pad:start\"},"
        " \"winch\": {\"kind\": \"button\", \"bindings\": \"pad:west\"},"
        " \"horn\": {\"kind\": \"button\", \"bindings\": [\"pad:east\", \"pad:north\"]}}}";
    nplug_game_file *old, *new_;
    nplug_notes notes;
    char line[300];
    test_rig rig;

    nplug_game_file_parse(was, strlen(was), "was.game", &old, &notes);
    nplug_game_file_parse(is, strlen(is), "is.game", &new_, &notes);
    rig_open(&rig, nplug_game_file_game(old), NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_press(rig.sim, MS, "pad", "west", 0);
    rig_step(&rig, 10 * MS);
    ck_assert_int_eq(nplug_game_file_tune(new_, rig.nest, &notes), NPLUG_OK);
    nplug_note_text(&notes, 0, line, sizeof line);
    ck_assert_str_eq(line, "is.game:1:70: warning: this action is new: it takes part when the game "
                           "starts again");
    nplug_game_file_free(new_);
    rig_step(&rig, 20 * MS);
    ck_assert(nplug_held(rig.nest, 1, 1));
    nplug_sim_press(rig.sim, 30 * MS, "pad", "south", 10 * MS);
    nplug_sim_press(rig.sim, 30 * MS, "pad", "east", 10 * MS);
    rig_step(&rig, 100 * MS);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, 0), 1);
    rig_close(&rig);
    nplug_game_file_free(old);
}

TEST(numbers_of_another_game_are_refused)
{
    nplug_game game = harbour_for(1);
    nplug_action_def renamed[6];
    test_rig rig;

    memcpy(renamed, harbour, sizeof renamed);
    renamed[HORN].name = "whistle";
    game.names = nplug_names_digest(&game);
    rig_open(&rig, &game, NULL);
    game.actions = renamed;
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_ERR_DIFFERS);
    ck_assert_ptr_nonnull(strstr(rig.log, "make them again"));
    rig_close(&rig);
}

/* A program made of the tables alone has the same game as the file. */
TEST(tables_are_the_same_game_as_the_file)
{
    char output[4096], expected[64];
    nplug_notes notes;
    nplug_game_file *file = read_game(SOURCE_DIR "/tool/demo/harbour.game", &notes);
    test_rig rig;

    rig_open(&rig, nplug_game_file_game(file), NULL);
    snprintf(expected, sizeof expected, "%016llx\n",
             (unsigned long long)nplug_game_digest(rig.nest));
    rig_close(&rig);
    nplug_game_file_free(file);
    ck_assert_msg(run(BINARY_DIR "/tool/nestplug names --tables " SOURCE_DIR
                                 "/tool/demo/harbour.game -o " BINARY_DIR
                                 "/harbour_game.h && cd " BINARY_DIR " && " C_COMPILER
                                 " " SANITIZERS " -std=c11 -Wall -Wextra -Werror -I. -I" SOURCE_DIR
                                 "/include " SOURCE_DIR "/tests/outside/tables.c -o tables "
                                 "libnestplug.a -ljansson -lpthread -lm && ./tables",
                      output, sizeof output) == 0,
                  "%s", output);
    ck_assert_str_eq(output, expected);
}
