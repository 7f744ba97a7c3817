/* The tool and the examples, as a person runs them: exact output, exit status. */
#include "support.h"
#include <jansson.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define TOOL    BINARY_DIR "/tool/nestplug "
#define HARBOUR "sim:tool/demo/harbour.trace"
#define KERNEL  "tests/data/kernel/"
#define TRACE   BINARY_DIR "/recorded.trace"

/* Each command's output (both streams) is kept in tests/golden/NAME.out. */
static const struct row {
    const char *name, *command;
    int status;
} rows[] = {
    {"help", TOOL "--help", 0},
    {"help-devices", TOOL "devices --help", 0},
    {"help-watch", TOOL "watch --help", 0},
    {"help-record", TOOL "record --help", 0},
    {"help-replay", TOOL "replay --help", 0},
    {"help-demo", TOOL "demo --help", 0},
    {"help-explain", TOOL "explain --help", 0},
    {"help-learn", TOOL "learn --help", 0},
    {"help-graph", TOOL "graph --help", 0},
    {"help-check", TOOL "check --help", 0},
    {"help-names", TOOL "names --help", 0},
    {"check", TOOL "check tool/demo/harbour.game", 0},
    {"check-chart", TOOL "check tool/demo/chart.game", 0},
    {"watch-chart",
     TOOL "watch --lines --rate 20 --game tool/demo/chart.game --port sim:tool/demo/chart.trace",
     0},
    {"prompts", TOOL "prompts tool/demo/harbour.game", 0},
    {"prompts-chart", TOOL "prompts tool/demo/chart.game", 0},
    {"prompts-json", TOOL "prompts --json tool/demo/chart.game", 0},
    {"prompts-of-nothing", TOOL "prompts tool/demo/nowhere.game", 1},
#ifdef NPLUG_HAS_KEYMAP
    {"prompts-french", TOOL "prompts tool/demo/harbour.game --layout fr", 0},
    {"prompts-russian", TOOL "prompts tool/demo/harbour.game --layout ru", 0},
    {"prompts-hebrew", TOOL "prompts tool/demo/harbour.game --layout il --language de", 0},
    {"prompts-no-layout", TOOL "prompts tool/demo/harbour.game --layout gull", 1},
    {"check-prompts-german", TOOL "check --prompts --layout de tool/demo/harbour.game", 1},
#endif
    {"prompts-family", TOOL "prompts --family letters-crossed tool/demo/harbour.game", 0},
    {"prompts-no-family", TOOL "prompts --family gulls tool/demo/chart.game", 1},
    {"prompts-german", TOOL "prompts --language de-AT tool/demo/harbour.game", 0},
    {"prompts-own-language",
     TOOL "prompts --language tests/data/atlas/nds.json tool/demo/chart.game", 0},
    {"prompts-no-language", TOOL "prompts --language fr tool/demo/chart.game", 1},
    {"prompts-wrong-language",
     TOOL "prompts --language tests/data/atlas/no.json tool/demo/chart.game", 1},
#ifdef NPLUG_HAS_DRAWING
    {"prompts-atlas",
     TOOL "prompts tool/demo/chart.game --atlas " BINARY_DIR "/chart.png | "
          "sed 's|.*/||' && head -c 700 " BINARY_DIR "/chart.json",
     0},
    {"prompts-atlas-jpeg", TOOL "prompts tool/demo/chart.game --atlas chart.jpg", 2},
    {"prompts-atlas-small", TOOL "prompts tool/demo/chart.game --atlas chart.png --size 7", 2},
    {"prompts-atlas-nowhere", TOOL "prompts tool/demo/chart.game --atlas /nowhere/chart.png", 1},
    {"check-pictures-atlas",
     TOOL "prompts tool/demo/harbour.game --atlas " BINARY_DIR "/set.png >/dev/null && " TOOL
          "check --pictures " BINARY_DIR "/set.json tool/demo/harbour.game",
     0},
#endif
    {"check-prompts", TOOL "check --prompts tool/demo/harbour.game", 1},
    {"check-prompts-json", TOOL "check --prompts --json tool/demo/harbour.game", 1},
    {"check-pictures", TOOL "check --pictures tests/data/pictures tool/demo/chart.game", 1},
    {"check-pictures-json", TOOL "check --json --pictures tests/data/pictures tool/demo/chart.game",
     1},
    {"check-pictures-nowhere", TOOL "check --pictures tests/data/no tool/demo/chart.game", 1},
    {"check-pictures-wrong", TOOL "check --pictures tests/data/atlas/nds.json tool/demo/chart.game",
     1},
    {"help-prompts", TOOL "prompts --help", 0},
    {"names-chart", TOOL "names --tables tool/demo/chart.game", 0},
    {"check-leaky", TOOL "check --access tool/demo/leaky.game", 1},
    {"check-json", TOOL "check --json tool/demo/leaky.game", 1},
    {"check-broken", TOOL "check tests/data/wrong/control-misspelt.game", 1},
    {"check-nothing", TOOL "check nowhere.game", 1},
    {"names", TOOL "names tool/demo/harbour.game", 0},
    {"names-tables", TOOL "names --tables tool/demo/harbour.game", 0},
    {"names-nowhere", TOOL "names tool/demo/harbour.game -o /nowhere/x.h", 1},
    {"version", TOOL "--version", 0},
    {"explain", TOOL "explain --port " HARBOUR " heron", 0},
    {"explain-all", TOOL "explain --all --port " HARBOUR " --at 2 'Sanderling Box'", 0},
    {"explain-json",
     TOOL "explain --json --port " HARBOUR " --at 2 'Sanderling Box' | head -c 3000", 0},
    {"explain-nobody", TOOL "explain --port " HARBOUR " osprey", 1},
    {"learn", TOOL "learn --port sim:tool/demo/learn.trace", 0},
    {"learn-calibrate", TOOL "learn --calibrate --port sim:tool/demo/worn.trace", 0},
    {"learn-into-settings",
     "cd " SOURCE_DIR "; rm -f " BINARY_DIR "/s.json; " TOOL
     "learn --port sim:tool/demo/learn.trace --settings " BINARY_DIR
     "/s.json | tail -n 1 | sed 's|/.*/||'; " TOOL "devices --settings " BINARY_DIR
     "/s.json --port sim:tool/demo/learn.trace",
     0},
    {"learn-a-mouse", TOOL "learn --kind keyboard --port " HARBOUR, 2},
    {"learn-nothing",
     TOOL "learn --port sim:tests/data/still.trace -o " BINARY_DIR "/no.json; test ! -e " BINARY_DIR
          "/no.json",
     0},
    {"at-before-all", TOOL "devices --at -1 --port " HARBOUR, 2},
    {"agreement-of-one", TOOL "graph --agreement heron", 2},
    {"options-for-a-shell", TOOL "check --list-options; " TOOL "--list-commands", 0},
    {"graph-nothing", TOOL "graph -o x.png", 2},
    {"graph-nowhere", TOOL "graph tool/demo/motions.trace", 2},
    {"graph-of-no-sort", TOOL "graph tool/demo/motions.trace -o x.jpg", 1},
    {"graph-motions",
     TOOL "graph tool/demo/motions.trace -b 'pad:stick-left dead=0.15' -o " BINARY_DIR
          "/g.svg | sed 's|into.*/|into |'; grep -o '>\\(x\\|y\\|raw\\|shaped\\)<' " BINARY_DIR
          "/g.svg | sort | uniq",
     0},
    {"graph-stick",
     TOOL "graph --stick whimbrel -b 'pad:stick-left gate=circle dead=0.2 power=2' -o " BINARY_DIR
          "/g.svg | sed 's|into.*/|into |'; grep -o '>\\(raw\\|normalised\\|shaped\\|dead "
          "zone\\)<' " BINARY_DIR "/g.svg",
     0},
    {"graph-agreement", TOOL "graph --agreement | head -n 40", 0},
    {"graph-no-control", TOOL "graph tool/demo/motions.trace -b 'pad:stick-lift' -o x.png", 2},
    {"graph-no-device",
     TOOL "graph tool/demo/motions.trace -b 'wheel:steering' -o " BINARY_DIR "/x.png", 1},
    {"live-wrong",
     "printf '{\"arive\": \"p\"}\\n\\n{\"arrive\": \"p\", \"model\": \"heran\"}' | " TOOL
     "devices --port sim:-",
     1},
    {"own-model",
     TOOL "devices --model models/curlew.json --sheet sheets/any-pad-z.json --port "
          "sim:tool/demo/learn.trace",
     0},
    {"demo", TOOL "demo", 0},
    {"demo-json", TOOL "demo --json", 0},
    {"devices", TOOL "devices --port " HARBOUR, 0},
    {"devices-at", TOOL "devices --port " HARBOUR " --at 5", 0},
    {"watch", TOOL "watch --port " HARBOUR " --rate 20", 0},
    {"watch-raw", TOOL "watch --raw --port " HARBOUR " --rate 5", 0},
    {"watch-json", TOOL "watch --json --port " HARBOUR " --rate 5", 0},
    {"record-replay",
     TOOL "record --port " HARBOUR " --rate 30 -o " TRACE " | head -c 40; echo; " TOOL
          "replay --digest " TRACE,
     0},
    {"replay-json",
     TOOL "record --port " HARBOUR " --rate 10 -o " TRACE " > /dev/null; " TOOL
          "replay --json --digest " TRACE,
     0},
    {"record-with-sheet",
     TOOL "record --sheet sheets/any-pad-z.json --port " HARBOUR " --rate 10 -o " TRACE
          " > /dev/null; " TOOL "replay --sheet sheets/any-pad-z.json " TRACE "; " TOOL
          "replay " TRACE,
     1},
    {"replay-as-hardware",
     TOOL "record --port " HARBOUR " -o " TRACE " > /dev/null; " TOOL "devices --port trace:" TRACE,
     0},
    {"replay-kernel", TOOL "replay tests/data/kernel/pad-and-mouse.trace", 0},
    {"explain-hats", TOOL "explain --port trace:" KERNEL "hats.trace --at 3.6 1001", 0},
    {"explain-motion", TOOL "explain --port trace:" KERNEL "motion.trace --at 5.9 1001", 0},
    {"explain-wheel", TOOL "explain --port trace:" KERNEL "wheel.trace --at 7.5 1001", 0},
    {"nothing", TOOL, 2},
    {"no-such-command", TOOL "danse", 2},
    {"no-such-option", TOOL "devices --jsn --port " HARBOUR, 2},
    {"no-port", TOOL "devices", 2},
    {"no-such-port", TOOL "devices --port usb:1", 2},
    {"too-many", TOOL "demo again", 2},
    {"replay-nothing", TOOL "replay", 2},
    {"record-nowhere", TOOL "record --port " HARBOUR, 2},
    {"rate-0", TOOL "watch --rate 0 --port " HARBOUR, 2},
    {"no-such-file", TOOL "devices --port sim:nowhere.trace", 1},
    {"wrong-trace",
     TOOL "devices --port sim:tests/data/wrong/misspelt-key.trace; " TOOL
          "watch --port sim:tests/data/wrong/two-mistakes.trace",
     1},
    {"no-such-model", TOOL "devices --port sim:tests/data/no-such-model.trace", 1},
    {"no-such-control", TOOL "watch --port sim:tests/data/no-such-control.trace", 1},
    {"replay-of-moves", TOOL "replay tool/demo/harbour.trace", 1},
    {"sim-of-records", TOOL "devices --port sim:tests/data/other-game.trace", 1},
    {"other-game", TOOL "replay tests/data/other-game.trace", 1},
    {"cannot-write", TOOL "record --port " HARBOUR " -o /nowhere/x.trace", 1},
    {"first-press", BINARY_DIR "/examples/first_press 2>/dev/null", 0},
    {"own-game",
     TOOL "record --game tool/demo/harbour.game --port " HARBOUR " -o " TRACE
          "3 | sed 's|/.*/||'; " TOOL "replay " TRACE "3; " TOOL
          "replay --game tool/demo/harbour.game " TRACE "3",
     0},
    {"own-game-wrong", TOOL "watch --game tests/data/wrong/hold-zero.game --port " HARBOUR, 1},
    {"refit",
     "rm -f " BINARY_DIR "/refit.settings; " BINARY_DIR
     "/examples/refit examples/refit.trace " BINARY_DIR "/refit.settings; cat " BINARY_DIR
     "/refit.settings",
     0},
    {"chart-table", BINARY_DIR "/examples/chart_table examples/chart_table.trace", 0},
    {"harbour-signs", BINARY_DIR "/examples/harbour_signs examples/harbour_signs.trace", 0},
    {"lobby", BINARY_DIR "/examples/lobby examples/lobby.trace", 0},
    {"split-helm", BINARY_DIR "/examples/split_helm examples/split_helm.trace", 0},
    {"crane", BINARY_DIR "/examples/crane examples/crane.trace", 0},
    {"devices-asleep", TOOL "devices --at 3 --port sim:examples/crane.trace", 0},
    {"explain-asleep", TOOL "explain --at 3 --port sim:examples/crane.trace osprey-headset", 0},
    {"tug", BINARY_DIR "/examples/tug", 0},
};

static bool has_plotter(void)
{
    return system("command -v gnuplot >/dev/null 2>&1") == 0;
}

/* Under valgrind, which takes a second for each command, calls that only say what is wrong with
 * them and drawings are left out; without gnuplot, what it draws. */
static bool is_left_out(const struct row *row)
{
    bool few = getenv("NPLUG_FEW") != NULL;
    bool says = row->status != 0 || strncmp(row->name, "help", 4) == 0;
    bool draws = strstr(row->command, "g.svg") != NULL;

    if (few && (says || strstr(row->command, "atlas") || strstr(row->command, "replay")))
        return true;
    if (!draws || has_plotter()) return false;
    fprintf(stderr, "SKIPPED: %s (it needs gnuplot)\n", row->name);
    return true;
}

TESTS(output_is_as_it_was, COUNT_OF(rows))
{
    static char output[1u << 20];
    char path[512], command[1024];
    int status;

    if (is_left_out(&rows[_i])) return;
    snprintf(command, sizeof command, "cd " SOURCE_DIR "; %s", rows[_i].command);
    snprintf(path, sizeof path, "tests/golden/%s.out", rows[_i].name);
    status = run(command, output, sizeof output);
    check_golden(output, path);
    if (strncmp(rows[_i].name, "help", 4) == 0 || strncmp(rows[_i].name, "devices", 7) == 0)
        for (const char *line = output; *line; line += strcspn(line, "\n") + 1)
            ck_assert_msg(strcspn(line, "\n") <= 80, "%.100s is wider than 80 columns", line);
    ck_assert_int_eq(status, rows[_i].status);
}

TEST(devices_json_has_what_is_promised)
{
    static const char *const members[] = {"id",      "name",       "kind",    "family",
                                          "sheet",   "matched_by", "bus",     "vendor",
                                          "product", "players",    "signals", "controls"};
    static char output[1u << 20];
    json_t *list, *device, *control;
    size_t m;
    size_t i;

    ck_assert_int_eq(run("cd " SOURCE_DIR "; " TOOL "devices --json --at 5 --port " HARBOUR, output,
                         sizeof output),
                     0);
    list = json_loads(output, 0, NULL);
    ck_assert(json_is_array(list) && json_array_size(list) == 4);
    json_array_foreach(list, i, device)
    {
        for (m = 0; m < COUNT_OF(members); m++)
            ck_assert_msg(json_object_get(device, members[m]) != NULL, "%s", members[m]);
        ck_assert(json_is_array(json_object_get(device, "signals")));
        json_array_foreach(json_object_get(device, "controls"), m, control)
        {
            ck_assert(json_is_string(json_object_get(control, "name")));
            ck_assert(json_is_string(json_object_get(control, "nature")));
            ck_assert_ptr_nonnull(json_object_get(control, "value"));
        }
    }
    device = json_array_get(list, 3); /* the pad that came back to player 1 */
    ck_assert_int_eq(json_integer_value(json_array_get(json_object_get(device, "players"), 0)), 1);
    device = json_array_get(list, 2); /* nobody's */
    ck_assert_uint_eq(json_array_size(json_object_get(device, "players")), 0);
    json_decref(list);
}

/* Recorded in a guest, of one device of each kind, with the digests as they were there. */
TESTS(what_a_real_kernel_said_replays_to_the_same_digests, 6)
{
    static const char *const kinds[] = {"hats", "motion", "wheel", "stick", "screen", "mouse"};
    static char output[1u << 14];
    char command[512], path[256], *inside;

    snprintf(command, sizeof command,
             "cd " SOURCE_DIR "; " TOOL "replay --digest " KERNEL "%s.trace", kinds[_i]);
    ck_assert_int_eq(run(command, output, sizeof output), 0);
    snprintf(path, sizeof path, KERNEL "%s.digests", kinds[_i]);
    inside = slurp(path);
    check_same(output, inside, path);
    free(inside);
}

TEST(first_press_is_under_forty_lines)
{
    char output[64];

    run("wc -l < " SOURCE_DIR "/examples/first_press.c", output, sizeof output);
    ck_assert_int_lt(atoi(output), 40);
}

/* Lines of one picture can be told apart, whatever cones a reader has. */
TEST(the_plots_colours_are_far_apart)
{
    char output[2000];

    ck_assert_msg(run("cd " SOURCE_DIR "; python3 scripts/colours", output, sizeof output) == 0,
                  "%s", output);
}
