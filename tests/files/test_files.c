/* Files: what is wrong with one is told by line, column and what was expected. */
#include "files/notes.h"
#include "support.h"
#include <dirent.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

/* All notes on a file, a line each, without its folder. */
static void read_notes(const char *name, const char *text, char *out, size_t size)
{
    nplug_notes notes;
    nplug_trace *trace = NULL;
    nplug_sheet_file *sheet = NULL;
    nplug_model_file *model = NULL;
    nplug_settings *settings = NULL;
    nplug_controller_file *controller = NULL;
    nplug_language_file *language = NULL;
    nplug_game_file *game = NULL;
    size_t used = 0;

    if (strstr(name, ".trace"))
        nplug_trace_parse(text, strlen(text), name, &trace, &notes);
    else if (strstr(name, ".model"))
        nplug_model_file_parse(text, strlen(text), name, &model, &notes);
    else if (strstr(name, ".controller"))
        nplug_controller_file_parse(text, strlen(text), name, &controller, &notes);
    else if (strstr(name, ".language"))
        nplug_language_file_parse(text, strlen(text), name, &language, &notes);
    else if (strstr(name, ".game"))
        nplug_game_file_parse(text, strlen(text), name, &game, &notes);
    else if (strstr(name, ".settings"))
        nplug_settings_parse(text, strlen(text), name, &settings, &notes);
    else
        nplug_sheet_file_parse(text, strlen(text), name, &sheet, &notes);
    out[0] = 0;
    for (uint32_t i = 0; i < notes.count && used + 300 < size; i++) {
        used += nplug_note_text(&notes, i, out + used, size - used);
        out[used++] = '\n';
        out[used] = 0;
    }
    nplug_trace_free(trace);
    nplug_sheet_file_free(sheet);
    nplug_model_file_free(model);
    nplug_settings_free(settings);
    nplug_controller_file_free(controller);
    nplug_language_file_free(language);
    if (game) nplug_game_file_check(game, true, &notes);
    nplug_game_file_free(game);
}

static int by_name(const void *a, const void *b)
{
    return strcmp((const char *)a, (const char *)b);
}

/* The names of all samples of tests/data/wrong, in order. */
static size_t list_samples(char names[][64], size_t most)
{
    DIR *folder = opendir(SOURCE_DIR "/tests/data/wrong");
    struct dirent *entry;
    size_t count = 0;

    ck_assert_ptr_nonnull(folder);
    while ((entry = readdir(folder)) != NULL && count < most)
        if (entry->d_name[0] != '.' && !strstr(entry->d_name, ".txt"))
            snprintf(names[count++], 64, "%.63s", entry->d_name);
    closedir(folder);
    qsort(names, count, 64, by_name);
    return count;
}

/* A label and the key that is named for it may be the same key: a game that binds both is told. */
TESTS(a_label_and_its_key_are_told_as_one, 6)
{
    static const struct {
        const char *one, *other;
        bool told;
    } rows[] = {{"key-label:z", "key:KeyZ", true},
                {"key:Digit0", "key-label:0", true},
                {"key:ControlLeft+key-label:c", "key:ControlLeft+key:KeyC", true},
                {"key-label:z", "key:KeyY", false},
                {"key-label:9", "key:Digit8", false},
                {"key-label:a tap", "key:KeyA hold=300", false}};
    nplug_notes notes;
    nplug_game_file *game = NULL;
    char text[512], said[300];
    bool told = false;

    snprintf(text, sizeof text,
             "{\"nestplug\": \"game\", \"version\": 1, \"name\": \"labels\", \"actions\": {"
             "\"one\": {\"kind\": \"button\", \"bindings\": [\"%s\", \"pad:south\"]},"
             "\"other\": {\"kind\": \"button\", \"bindings\": [\"%s\", \"pad:east\"]}}}",
             rows[_i].one, rows[_i].other);
    ck_assert_int_eq(nplug_game_file_parse(text, strlen(text), "labels.game", &game, &notes),
                     NPLUG_OK);
    nplug_game_file_check(game, false, &notes);
    for (uint32_t i = 0; i < notes.count; i++) {
        nplug_note_text(&notes, i, said, sizeof said);
        told |= strstr(said, "that print that label there") != NULL;
    }
    ck_assert_int_eq(told, rows[_i].told);
    nplug_game_file_free(game);
}

/* Every sample's notes, in one file that people can read: tests/data/wrong/expected.txt. */
TEST(each_wrong_file_is_told_by_its_place)
{
    static char names[256][64], all[131072];
    size_t count = list_samples(names, 256), used = 0;
    char path[512], *text;

    ck_assert_uint_ge(count, 40);
    for (size_t i = 0; i < count; i++) {
        snprintf(path, sizeof path, SOURCE_DIR "/tests/data/wrong/%s", names[i]);
        text = slurp(path);
        read_notes(names[i], text, all + used, sizeof all - used);
        ck_assert_msg(strlen(all + used) > 0, "%s: nothing is said", names[i]);
        used += strlen(all + used);
        free(text);
    }
    check_golden(all, "tests/data/wrong/expected.txt");
}

/* Each sample cut at every byte, and with every byte changed: never a crash, never silence. */
TESTS(broken_files_never_crash, 4)
{
    static char names[256][64], notes[16384];
    size_t count = list_samples(names, 256);
    char path[512], *text;

    for (size_t i = (size_t)_i; i < count; i += 4) {
        snprintf(path, sizeof path, SOURCE_DIR "/tests/data/wrong/%s", names[i]);
        text = slurp(path);
        for (size_t at = strlen(text); at-- > 0;) {
            char was = text[at];
            text[at] = (char)(was ^ 5);
            read_notes(names[i], text, notes, sizeof notes);
            text[at] = 0;
            read_notes(names[i], text, notes, sizeof notes);
        }
        free(text);
    }
}

/* For every value of a document, the locator finds the place where it stands. */
static void check_places(const char *text, const json_t *value, const char *pointer)
{
    nf_place place = nf_locate(text, strlen(text), pointer);
    const char *at = text;
    char *dumped = json_dumps(value, JSON_ENCODE_ANY | JSON_COMPACT);
    const char *key;
    json_t *member;
    char deeper[256];
    size_t index;

    for (uint32_t line = 1; line < place.line; line++)
        at = strchr(at, '\n') + 1;
    at += place.column - 1;
    if (json_is_object(value) || json_is_array(value))
        ck_assert_int_eq(*at, *dumped);
    else
        ck_assert_msg(strncmp(at, dumped, strlen(dumped)) == 0, "%s at %s", pointer, at);
    free(dumped);
    json_object_foreach((json_t *)value, key, member)
    {
        snprintf(deeper, sizeof deeper, "%s/%s", pointer, key);
        if (!strchr(key, '/')) check_places(text, member, deeper);
    }
    json_array_foreach(value, index, member)
    {
        snprintf(deeper, sizeof deeper, "%s/%u", pointer, (unsigned)index);
        check_places(text, member, deeper);
    }
}

TESTS(the_locator_finds_every_value, 4)
{
    static const char *const files[] = {"/sheets/heron.json", "/schema/trace.schema.json",
                                        "/schema/sheet.schema.json", "/CMakePresets.json"};
    static const char hard[] = "{\"a~b/c\": {\"x\": 1, \"y\": \"}]\\\"\", \"z\": 7}}";
    char path[512], *text;
    nf_place place;
    json_t *root;

    snprintf(path, sizeof path, "%s%s", SOURCE_DIR, files[_i]);
    text = slurp(path);
    root = json_loads(text, 0, NULL);
    ck_assert_ptr_nonnull(root);
    check_places(text, root, "");
    json_decref(root);
    free(text);
    place = nf_locate(hard, strlen(hard), "/a~0b~1c/z");
    ck_assert_uint_eq(place.column, (uint32_t)(strchr(hard, '7') - hard) + 1);
}

/* What a schema allows, the reader knows: no property of it is "not known here". */
TEST(schemas_and_readers_agree)
{
    char *text = slurp(SOURCE_DIR "/schema/trace.schema.json");
    json_t *root = json_loads(text, 0, NULL), *form, *value;
    const char *name, *key;
    char line[512], notes[16384];

    json_object_foreach(json_object_get(root, "$defs"), name, form)
    {
        bool recorded = strcmp(name, "step") == 0 || strcmp(name, "command") == 0 ||
                        strcmp(name, "report") == 0;
        json_object_foreach(json_object_get(form, "properties"), key, value)
        {
            snprintf(line, sizeof line,
                     "{\"nestplug\": \"trace\", \"version\": 1%s}\n{\"%s\": 1, \"%s\": 1}\n",
                     recorded ? ", \"limits\": {}" : "", strcmp(name, "report") ? name : "t",
                     strcmp(key, name) && strcmp(key, "t") ? key : "zebra-crossing-ahead");
            if (strcmp(name, "header") == 0)
                snprintf(line, sizeof line, "{\"nestplug\": 1, \"%s\": \"\"}\n",
                         strcmp(key, "nestplug") ? key : "version");
            read_notes("schema.trace", line, notes, sizeof notes);
            snprintf(line, sizeof line, "\"%s\" is not known here", key);
            ck_assert_msg(!strstr(notes, line), "%s/%s: %s", name, key, notes);
        }
    }
    json_decref(root);
    free(text);
}

TEST(a_sheet_loaded_at_run_time_is_in_force)
{
    static const char text[] =
        "{\"nestplug\": \"sheet\", \"version\": 1, \"name\": \"own\", \"kind\": \"pad\","
        " \"match\": [{\"vendor\": \"0xb12d\", \"product\": [\"0x0f01\", \"0x0f02\"]}],"
        " \"controls\": {\"south\": {\"plain\": 1},"
        " \"trigger-left\": {\"plain\": 0, \"rest\": 100}}}";
    NPLUG_SIZED(nplug_device_facts, info);
    nplug_sheet_file *file;
    nplug_notes notes;
    test_rig rig;

    ck_assert_int_eq(nplug_sheet_file_parse(text, strlen(text), "own.json", &file, &notes),
                     NPLUG_OK);
    ck_assert_uint_eq(notes.count, 0);
    rig_open(&rig, NULL, NULL);
    ck_assert_int_eq(nplug_add_sheets(rig.nest, nplug_sheet_file_sheet(file), 1), NPLUG_OK);
    nplug_sim_plug(rig.sim, 0, "box", "sanderling");
    nplug_sim_press(rig.sim, 1000, "box", "button", 0);
    nplug_sim_sweep(rig.sim, 1000, "box", "slider", (nplug_vec2){1.0f, 0.0f}, 0);
    rig_step(&rig, 2000);
    nplug_device_info(rig.nest, nplug_device_at(rig.nest, 0), &info);
    ck_assert_str_eq(info.sheet, "own");
    ck_assert_int_eq(info.matched, NPLUG_MATCHED_NO_BUS);
    ck_assert_float_eq(rig_control(&rig, 0, "pad:south").x, 1.0f);
    ck_assert_float_eq(rig_control(&rig, 0, "pad:trigger-left").x, 1.0f);
    ck_assert_int_eq(nplug_add_sheets(rig.nest, nplug_sheet_file_sheet(file), 1), NPLUG_ERR_ORDER);
    rig_close(&rig);
    nplug_sheet_file_free(file);
}

TEST(files_that_are_not_there_or_cannot_be_written)
{
    nplug_notes notes;
    nplug_trace *trace;
    nplug_sheet_file *sheet;
    char line[400];
    test_rig rig;

    ck_assert_int_eq(nplug_trace_read("/nowhere/x.trace", &trace, &notes), NPLUG_ERR_NO_FILE);
    nplug_note_text(&notes, 0, line, sizeof line);
    ck_assert_str_eq(line, "/nowhere/x.trace: No such file or directory");
    ck_assert_int_eq(nplug_sheet_file_read(SOURCE_DIR, &sheet, &notes), NPLUG_ERR_FILE);
    ck_assert_int_eq(nplug_trace_read(NULL, &trace, &notes), NPLUG_ERR_ARGUMENT);
    rig_open(&rig, NULL, NULL);
    ck_assert_ptr_null(nplug_trace_writer_open("/nowhere/x.trace", rig.nest));
    rig_close(&rig);
}

/* A recorder that is too small says so, and does not write a trace that lies. */
TEST(a_trace_with_a_gap_is_refused)
{
    nplug_limits limits = nplug_limits_default();
    nplug_trace_writer *writer;
    char path[] = "/tmp/nestplug-test-XXXXXX";
    test_rig rig;

    ck_assert_int_ge(mkstemp(path), 0);
    limits.records = 8;
    rig_open(&rig, NULL, &limits);
    writer = nplug_trace_writer_open(path, rig.nest);
    ck_assert_ptr_nonnull(writer);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    rig_step(&rig, 0);
    ck_assert_int_eq(nplug_trace_writer_write(writer), NPLUG_ERR_FULL);
    nplug_trace_writer_close(writer);
    unlink(path);
    rig_close(&rig);
}

/* A game file may have the ready-made menu: it is the one of NPLUG_MENU_ACTIONS. */
TEST(a_game_file_may_have_the_menu)
{
    static const char text[] =
        "{\"nestplug\": \"game\", \"version\": 1, \"name\": \"m\", \"layers\": {\"play\": {\"on\": "
        "true}, \"menu\": {\"priority\": 1, \"on\": true}}, \"menu\": \"menu\", \"actions\": "
        "{\"horn\": "
        "{\"kind\": \"button\", \"bindings\": \"pad:south\", \"layer\": \"play\"}}}";
    const nplug_action_def menu[] = {NPLUG_MENU_ACTIONS(1)};
    nplug_game_file *file;
    nplug_menu_press press;
    nplug_notes notes;
    test_rig rig;

    ck_assert_int_eq(nplug_game_file_parse(text, strlen(text), "m", &file, &notes), NPLUG_OK);
    ck_assert_uint_eq(nplug_game_file_game(file)->action_count, 1 + COUNT_OF(menu));
    for (unsigned i = 0; i < COUNT_OF(menu); i++) {
        const nplug_action_def *action = &nplug_game_file_game(file)->actions[1 + i];
        ck_assert_str_eq(action->name, menu[i].name);
        ck_assert_str_eq(action->bindings, menu[i].bindings);
        ck_assert_uint_eq(action->layer, 1);
    }
    rig_open(&rig, nplug_game_file_game(file), NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_press(rig.sim, MS, "pad", "south", MS);
    rig_step(&rig, 5 * MS);
    ck_assert(nplug_menu_at(rig.nest, nplug_action_number(rig.nest, "menu-up"), 0, &press));
    ck_assert_uint_eq(press.wish, NPLUG_MENU_WISH_CONFIRM);
    ck_assert_int_eq(nplug_bind(rig.nest, 1, nplug_action_number(rig.nest, "menu-restore"), ""),
                     NPLUG_ERR_KEPT);
    rig_close(&rig);
    nplug_game_file_free(file);
}

/* Whatever the names of a game and its actions, its numbers and its tables are C that compiles. */
TESTS(numbers_of_any_names_are_c, 12)
{
    static const char *const games[] = {"harbour",       "3boats",          "*/ int x; /*",
                                        "\u00e9t\u00e9", "\\u003f\\u003f/", "a\\\"b"};
    static const char text[] =
        "{\"nestplug\": \"game\", \"version\": 1, \"name\": \"%s\", \"layers\": {\"a-b\": "
        "{\"on\": true}, \"a_b\": {\"on\": true}}, \"actions\": {\"a-b\": {\"kind\": \"button\", "
        "\"bindings\": \"pad:south\", \"layer\": \"a-b\"}, \"a_b\": {\"kind\": \"button\", "
        "\"bindings\": \"pad:east\", \"layer\": \"a_b\"}, \"1\": {\"kind\": \"button\", "
        "\"bindings\": \"pad:west\", \"layer\": \"a-b\"}, \"ACTIONS\": {\"kind\": \"button\", "
        "\"bindings\": \"pad:north\", \"layer\": \"a-b\"}, \"x\": {\"kind\": \"level\", "
        "\"bindings\": \"pad:trigger-left\", \"layer\": \"a_b\"}, \"LAYER_A_B\": {\"kind\": "
        "\"button\", \"bindings\": \"pad:start\", \"layer\": \"a-b\"}}}";
    char full[2048], output[8192];
    nplug_game_file *file;
    nplug_notes notes;

    snprintf(full, sizeof full, text, games[_i / 2]);
    if (nplug_game_file_parse(full, strlen(full), "names", &file, &notes) != NPLUG_OK)
        ck_abort_msg("%s", notes.note[0].text);
    ck_assert_int_eq(nplug_game_file_write_c(file, _i % 2, BINARY_DIR "/any_names.h"), NPLUG_OK);
    nplug_game_file_free(file);
    ck_assert_msg(run("cc -std=c11 -Wall -Wextra -Wno-unused -Werror -fsyntax-only -I" SOURCE_DIR
                      "/include -include stdint.h -x c " BINARY_DIR "/any_names.h",
                      output, sizeof output) == 0,
                  "%s", output);
}
