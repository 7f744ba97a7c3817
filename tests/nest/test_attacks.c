/* What somebody may do to the library on purpose: the end of time, two savers at once, a game that
 * is refused, texts that are commands, an output that is full, and a trace that is searched for a
 * secret. */
#include "paper.h"
#include <pthread.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>
#include <unistd.h>

#define TOOL BINARY_DIR "/tool/nestplug "

/* --- time ------------------------------------------------------------------------------------- */

TESTS(time_may_end, 2)
{
    nplug_game game = harbour_for(1);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    ck_assert_int_eq(nplug_step(rig.nest, _i ? UINT64_MAX : UINT64_MAX - 1), NPLUG_OK);
    nplug_sim_plug(rig.sim, 5, "pad", "whimbrel");
    nplug_sim_press(rig.sim, 6, "pad", "south", 0);
    for (int i = 0; i < 3; i++)
        ck_assert_int_eq(nplug_step(rig.nest, UINT64_MAX), NPLUG_OK);
    ck_assert_uint_ge(nplug_nest_time(rig.nest), UINT64_MAX - 1);
    ck_assert_uint_eq(nplug_device_count(rig.nest), 1);
    rig_close(&rig);
}

/* --- files ------------------------------------------------------------------------------------ */

typedef struct saver {
    pthread_t thread;
    const char *path;
    nplug_settings *settings;
    unsigned failed;
} saver;

static void *save_often(void *self)
{
    saver *one = (saver *)self;

    for (int i = 0; i < 100; i++)
        one->failed += nplug_settings_write(one->settings, one->path) != NPLUG_OK;
    return NULL;
}

TEST(two_who_save_at_once_leave_a_whole_file)
{
    char folder[] = "/tmp/nestplug-both-XXXXXX", path[64], command[256], output[256];
    saver savers[2] = {{0}, {0}};
    nplug_settings *read = NULL;
    nplug_notes notes;
    struct stat about;

    ck_assert_ptr_nonnull(mkdtemp(folder));
    snprintf(path, sizeof path, "%s/settings", folder);
    for (unsigned i = 0; i < 2; i++) {
        savers[i].path = path;
        savers[i].settings = nplug_settings_new();
    }
    ck_assert_int_eq(nplug_settings_write(savers[0].settings, path), NPLUG_OK);
    ck_assert_int_eq(chmod(path, 0640), 0);
    for (unsigned i = 0; i < 2; i++)
        pthread_create(&savers[i].thread, NULL, save_often, &savers[i]);
    for (unsigned i = 0; i < 2; i++) {
        pthread_join(savers[i].thread, NULL);
        ck_assert_uint_eq(savers[i].failed, 0);
        nplug_settings_free(savers[i].settings);
    }
    ck_assert_int_eq(stat(path, &about), 0);
    ck_assert_uint_eq(about.st_mode & 07777, 0640);
    ck_assert_int_eq(nplug_settings_read(path, &read, &notes), NPLUG_OK);
    nplug_settings_free(read);
    snprintf(command, sizeof command, "ls %s | wc -l; rm -r %s", folder, folder);
    run(command, output, sizeof output);
    ck_assert_str_eq(output, "1\n");
}

/* Links that lie where a saver might write lead nobody's file astray. */
TEST(a_link_that_lies_there_is_not_followed)
{
    char folder[] = "/tmp/nestplug-link-XXXXXX", command[512], path[64], output[256];
    nplug_settings *settings = nplug_settings_new();

    ck_assert_ptr_nonnull(mkdtemp(folder));
    snprintf(path, sizeof path, "%s/settings", folder);
    snprintf(command, sizeof command,
             "cd %s && echo precious > victim && ln -s victim settings.new && "
             "for i in 0 1 2; do ln -s victim settings.%lx-$i.new; done",
             folder, (unsigned long)getpid());
    ck_assert_int_eq(run(command, output, sizeof output), 0);
    ck_assert_int_eq(nplug_settings_write(settings, path), NPLUG_OK);
    snprintf(command, sizeof command, "cat %s/victim; rm -r %s", folder, folder);
    run(command, output, sizeof output);
    ck_assert_str_eq(output, "precious\n");
    nplug_settings_free(settings);
}

/* --- games and texts ----------------------------------------------------------------------------
 */

TEST(after_a_refused_game_nothing_hangs)
{
    static const nplug_action_def many[] = {
        {"horn", NPLUG_ACTION_BUTTON, "pad:south | pad:east | pad:west | pad:north | key:KeyH", 0},
        {"winch", NPLUG_ACTION_BUTTON, "pad:north | pad:dpad-up | key:KeyW | key:KeyV", 0}};
    nplug_game game = nplug_game_for_one("too much", many, 2);
    nplug_command bind = {.kind = NPLUG_COMMAND_BIND, .player = 1, .number = 1, .on = 1};
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits = nplug_limits_default();
    test_rig rig;

    limits.bindings = 4;
    setup.limits = &limits;
    rig_open_setup(&rig, NULL, setup);
    ck_assert_int_ne(nplug_use_game(rig.nest, &game), NPLUG_OK);
    for (uint32_t action = 0; action < 3; action++) {
        bind.number = action;
        nplug_post(rig.nest, &bind);
        rig_step(&rig, 1000 * (action + 1));
    }
    ck_assert_int_eq(nplug_bind(rig.nest, 1, 0, "pad:east"), NPLUG_ERR_UNKNOWN);
    rig_close(&rig);
}

/* A binding's text reaches the plotter between single quotes, in which nothing is run. */
TEST(a_text_is_no_command_of_the_plotter)
{
    char folder[] = "/tmp/nestplug-plot-XXXXXX", command[1024];
    static char output[1u << 16];

    ck_assert_ptr_nonnull(mkdtemp(folder));
    snprintf(command, sizeof command,
             "cd %s && printf '#!/bin/sh\\ncat > script\\n' > gnuplot && chmod +x gnuplot && touch "
             "p.png "
             "&& PATH=.:$PATH " TOOL "graph " SOURCE_DIR
             "/tool/demo/motions.trace -b 'pad:stick-left | "
             "keys:key-label:`,KeyS,KeyA,key-label:`' -o p.png > /dev/null; grep multiplot script; "
             "rm -r %s",
             folder, folder);
    run(command, output, sizeof output);
    ck_assert_ptr_nonnull(strstr(output, "title '"));
    ck_assert_ptr_null(strstr(output, "title \""));
}

/* Whoever writes into a full disk is told. */
TESTS(a_full_output_is_no_success, 12)
{
    static const char *const commands[] = {
        "--help",
        "--version",
        "devices --help",
        "devices --port sim:tool/demo/harbour.trace --at 5",
        "devices --json --port sim:tool/demo/harbour.trace",
        "watch --port sim:tool/demo/harbour.trace --rate 5",
        "explain --at 5 --port sim:tool/demo/harbour.trace heron",
        "names tool/demo/harbour.game",
        "check tool/demo/harbour.game",
        "graph --agreement",
        "replay tests/data/kernel/hats.trace",
        "demo"};
    char command[512], output[512];
    int status;

    snprintf(command, sizeof command, "cd " SOURCE_DIR "; " TOOL "%s > /dev/full", commands[_i]);
    status = run(command, output, sizeof output);
    ck_assert_msg(status != 0, "%s: status 0", commands[_i]);
}

/* --- a secret -----------------------------------------------------------------------------------
 */

/* The kernel's codes and HID's usages of q, w and p: letters that the harbour does not bind but
 * one. */
static const struct {
    uint32_t kernel, usage;
} secret[] = {{16, 0x14}, {25, 0x13}, {24, 0x12}};

enum { AS_KEYBOARD, AS_MOUSE, AS_USAGES, WITHOUT_ROOM, WHILE_ARRIVING, UNRECOGNISED, WAYS };

static uint16_t list_letters(paper_signal *signals, unsigned way)
{
    uint16_t count = 0;

    for (uint32_t i = 0; i < 40; i++) {
        paper_signal letter = {BTN(14 + i)};
        if (way == AS_USAGES) letter.code = HID(7, 4 + i);
        if (way == AS_USAGES) letter.space = NPLUG_SPACE_HID;
        if (way == UNRECOGNISED && i > 12) break;
        signals[count++] = letter;
    }
    if (way != AS_MOUSE) return count;
    signals[count++] = (paper_signal){REL(0)};
    signals[count++] = (paper_signal){REL(1)};
    signals[count++] = (paper_signal){BTN(0x110)};
    return count;
}

static bool is_secret(const paper_signal *signal)
{
    for (size_t i = 0; i < COUNT_OF(secret); i++)
        if (signal->code == EV(1, secret[i].kernel) || signal->code == HID(7, secret[i].usage))
            return true;
    return false;
}

TESTS(no_trace_tells_which_letters_were_typed, WAYS)
{
    paper_signal signals[44];
    uint16_t count = list_letters(signals, (unsigned)_i);
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits = nplug_limits_default();
    static nplug_record records[4096];
    nplug_time time = 1000;
    size_t taken;
    paper_rig p;

    limits.records = 4096;
    if (_i == WITHOUT_ROOM) limits.controls = 2;
    for (uint16_t i = 0; i < count; i++)
        if (_i == WHILE_ARRIVING && signals[i].code == EV(1, secret[1].kernel)) signals[i].says = 1;
    setup.limits = &limits;
    open_paper_setup(&p, setup);
    plug_paper(&p, 3, 9, 9, 0, signals, count);
    for (uint16_t i = 0; i < count; i++) {
        if (!is_secret(&signals[i])) continue;
        say(&p, time += 1000, i, 1);
        say(&p, time += 1000, i, 0);
        rig_step(&p.rig, time);
    }
    taken = nplug_take_records(p.rig.nest, records, 4096);
    ck_assert_uint_gt(taken, count);
    for (size_t i = 0; i < taken; i++) {
        const nplug_report *report = &records[i].data.report;
        if (records[i].kind != NPLUG_RECORD_REPORT || report->kind != NPLUG_REPORT_VALUE) continue;
        if (report->data.value == 0 || report->signal >= count) continue;
        /* What stands for a letter is the last one that the game does not bind, always the same. */
        ck_assert_msg(!is_secret(&signals[report->signal]), "signal %u is in the trace",
                      report->signal);
    }
    rig_close(&p.rig);
}
