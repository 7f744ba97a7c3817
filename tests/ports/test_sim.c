/* The sim and trace ports, and traces on their way through a file. */
#include "support.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

/* Physical motions, and what the hardware must say of them in its own numbers. */
static const struct {
    const char *model, *control;
    nplug_vec2 to;
    uint32_t signal[2];
    int32_t raw[2];
} rows[] = {
    {"heron", "stick-left", {1.0f, 1.0f}, {0, 1}, {32767, -32768}},
    {"heron", "stick-left", {-1.0f, -1.0f}, {0, 1}, {-32768, 32767}},
    {"heron", "stick-right", {0.5f, 0.0f}, {3, 4}, {16384, 0}},
    {"heron", "trigger-right", {0.25f, 0.0f}, {5, 5}, {256, 256}},
    {"heron", "dpad-up", {1.0f, 0.0f}, {7, 7}, {-1, -1}},
    {"sanderling", "slider", {-1.0f, 0.0f}, {0, 0}, {0, 0}},
    {"turnstone", "KeyB", {1.0f, 0.0f}, {1, 1}, {1, 1}},
};

TESTS(motions_become_the_models_own_numbers, COUNT_OF(rows))
{
    NPLUG_SIZED(nplug_signal_facts, info);
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    nplug_sim_plug(rig.sim, 0, "it", rows[_i].model);
    nplug_sim_sweep(rig.sim, 1000, "it", rows[_i].control, rows[_i].to, 50 * MS);
    ck_assert_uint_eq(nplug_sim_end(rig.sim), 51 * MS);
    rig_step(&rig, 200 * MS);
    for (unsigned i = 0; i < 2; i++) {
        nplug_signal_info(rig.nest, nplug_device_at(rig.nest, 0), rows[_i].signal[i], &info);
        ck_assert_int_eq(info.raw, rows[_i].raw[i]);
    }
    ck_assert_uint_eq(nplug_sim_failures(rig.sim, NULL), 0);
    ck_assert_uint_eq(nplug_sim_end(rig.sim), 0);
    rig_close(&rig);
}

/* What moves without ends is rolled, and nothing else is. */
TEST(only_what_moves_without_ends_is_rolled)
{
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    nplug_sim_plug(rig.sim, 0, "mouse", "stint");
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_sweep(rig.sim, 10, "mouse", "move", (nplug_vec2){1.0f, 0.0f}, 0);
    nplug_sim_roll(rig.sim, 10, "pad", "stick-left", (nplug_vec2){1.0f, 0.0f}, 0);
    nplug_sim_roll(rig.sim, 10, "mouse", "left", (nplug_vec2){1.0f, 0.0f}, 0);
    nplug_sim_roll(rig.sim, 10, "mouse", "hatch", (nplug_vec2){1.0f, 0.0f}, 0);
    rig_step(&rig, 20);
    ck_assert_uint_eq(nplug_sim_failures(rig.sim, NULL), 4);
    rig_close(&rig);
}

/* Where a line of the guide begins that names a model. */
static const char *line_of(const char *page, const char *model)
{
    char name[40];
    const char *at = page;

    snprintf(name, sizeof name, "`%s`", model);
    while ((at = strstr(at, name)) != NULL) {
        const char *line = at;
        while (line > page && line[-1] != '\n')
            line--;
        if (strncmp(line, "| `", 3) == 0) return line;
        at++;
    }
    return NULL;
}

/* The guide's table of models names each control of each model. */
TEST(the_guide_knows_each_models_controls)
{
    uint32_t count;
    const nplug_sim_model *models = nplug_sim_models(&count);
    char *page = slurp("docs/guide/10-tests.md");

    for (uint32_t i = 0; i < count; i++) {
        const char *line = line_of(page, models[i].name), *end;
        ck_assert_msg(line != NULL, "no line for %s", models[i].name);
        end = strchr(line, '\n');
        for (uint16_t c = 0; c < models[i].control_count; c++) {
            char name[48];
            const char *at;
            size_t length = strlen(models[i].controls[c].name);
            while (length > 1 && strchr("0123456789", models[i].controls[c].name[length - 1]))
                length--;
            snprintf(name, sizeof name, "%.*s", (int)length, models[i].controls[c].name);
            at = strstr(line, name);
            ck_assert_msg(at && at < end, "%s has %s", models[i].name, models[i].controls[c].name);
        }
    }
    free(page);
}

TEST(what_cannot_be_done_is_told)
{
    char name[64];
    const char *story;
    nplug_effect effect;
    nplug_move move = {.kind = NPLUG_MOVE_SIGNAL, .on = "pad", .space = NPLUG_SPACE_HID, .code = 7};
    test_rig rig;

    memset(name, 'x', sizeof name);
    name[63] = 0;
    rig_open(&rig, NULL, NULL);
    ck_assert_int_eq(nplug_sim_plug(rig.sim, 0, "pad", "osprei"), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_sim_plug(rig.sim, 0, name, "heron"), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_sim_plug(rig.sim, 0, NULL, "heron"), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_sim_press(rig.sim, 0, "pad", NULL, 0), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_sim_move(rig.sim, NULL), NPLUG_ERR_ARGUMENT);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_plug(rig.sim, 1, "pad", "heron");
    nplug_sim_press(rig.sim, 2, "pad", "stick-left", 0);
    nplug_sim_press(rig.sim, 3, "pad", "hatch", 0);
    nplug_sim_press(rig.sim, 4, "nobody", "south", 0);
    nplug_sim_move(rig.sim, &move);
    rig_step(&rig, 10);
    ck_assert_uint_eq(nplug_sim_failures(rig.sim, &story), 5);
    ck_assert_ptr_nonnull(strstr(story, "pad"));
    ck_assert_uint_eq(nplug_sim_effects(rig.sim, "nobody", &effect), 0);
    rig_close(&rig);
}

TEST(a_sim_with_no_room_says_so)
{
    nplug_sim_limits limits = {1, 2};
    size_t size = nplug_sim_memory_needed(limits);
    void *block = malloc(size);
    nplug_sim *sim = nplug_sim_open(limits, block, size);

    ck_assert_ptr_nonnull(sim);
    ck_assert_ptr_null(nplug_sim_open(limits, block, size - 1));
    ck_assert_ptr_null(nplug_sim_open(limits, NULL, size));
    limits.moves = 0;
    ck_assert_uint_eq(nplug_sim_memory_needed(limits), 0);
    ck_assert_int_eq(nplug_sim_plug(sim, 0, "a", "heron"), NPLUG_OK);
    ck_assert_int_eq(nplug_sim_plug(sim, 0, "b", "heron"), NPLUG_OK);
    ck_assert_int_eq(nplug_sim_plug(sim, 0, "c", "heron"), NPLUG_ERR_FULL);
    free(block);
}

/* A sim that says more than a small ring holds waits with arrivals, and answers the resync. */
TEST(a_small_ring_gets_everything_in_the_end)
{
    nplug_game game = harbour_for(1);
    nplug_limits limits = nplug_limits_default();
    test_rig rig;

    limits.ring_slots = 64;
    rig_open(&rig, &game, &limits);
    for (int i = 0; i < 4; i++) {
        char name[16];
        snprintf(name, sizeof name, "pad-%d", i);
        nplug_sim_plug(rig.sim, 0, name, "heron");
        nplug_sim_sweep(rig.sim, 1000, name, "stick-left", (nplug_vec2){1.0f, -1.0f}, SECOND);
    }
    nplug_sim_press(rig.sim, SECOND + 2000, "pad-3", "south", 0);
    for (nplug_time t = 0; t < 40; t++)
        rig_step(&rig, 2 * SECOND);
    ck_assert_uint_eq(nplug_device_count(rig.nest), 4);
    for (uint32_t i = 0; i < 4; i++) {
        ck_assert_float_eq(rig_control(&rig, i, "pad:stick-left").x, 1.0f);
        ck_assert_float_eq(rig_control(&rig, i, "pad:stick-left").y, -1.0f);
    }
    ck_assert_float_eq(rig_control(&rig, 3, "pad:south").x, 1.0f);
    ck_assert_uint_gt(counts_of(rig.nest).moves_dropped, 0);
    rig_close(&rig);
}

/* --- traces through a file ------------------------------------------------------------------ */

/* What a game did with hardware, written and read again, is the same record by record. */
TEST(a_trace_comes_back_from_its_file_as_it_was)
{
    nplug_game game = harbour_for(2);
    nplug_limits limits = nplug_limits_default();
    char path[] = "/tmp/nestplug-test-XXXXXX";
    nplug_pick pick = {.size = sizeof pick, .player = NPLUG_EVERYONE, .wait_ms = 50, .takes = true};
    nplug_trace_writer *writer;
    const nplug_record *records;
    nplug_replay replay;
    nplug_trace *trace;
    nplug_notes notes;
    nplug_command commands[64];
    uint64_t digest[200];
    size_t count, commands_count;
    unsigned step = 0;
    nplug_time now;
    test_rig rig;

    ck_assert_int_ge(mkstemp(path), 0);
    limits.records = 4096;
    rig_open(&rig, &game, &limits);
    writer = nplug_trace_writer_open(path, rig.nest);
    ck_assert_ptr_nonnull(writer);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    for (unsigned i = 0; i < 40; i++) {
        nplug_sim_press(rig.sim, i * 20 * MS, "keys", i % 3 ? "KeyH" : "KeyZ", 5 * MS);
        nplug_sim_press(rig.sim, i * 20 * MS, "pad", i % 2 ? "south" : "west", 7 * MS);
    }
    nplug_sim_layout(rig.sim, 250 * MS, "azerty");
    for (; step < 200; step++) {
        if (step == 10) nplug_bind(rig.nest, 1, HORN, "key-label:w | pad:west hold=3 | pad:south");
        if (step == 20) nplug_set_comfort(rig.nest, 1, NPLUG_EVERY_ACTION, "toggle slower=1.5");
        if (step == 40) nplug_start_pick(rig.nest, &pick);
        if (step == 70) nplug_mute(rig.nest, 1u << NPLUG_KIND_PAD);
        if (step == 80) nplug_mute(rig.nest, 0);
        if (step == 85) nplug_bind(rig.nest, 1, HORN, NULL);
        if (step == 30) nplug_switch_layer(rig.nest, 0, 1, true);
        if (step == 60) nplug_rumble(rig.nest, nplug_device_at(rig.nest, 0), 0.25f, 1.0f, 99);
        if (step == 90) nplug_unclaim(rig.nest, nplug_device_at(rig.nest, 0));
        if (step == 120) nplug_leave(rig.nest, 1);
        rig_step(&rig, step * 5 * MS);
        digest[step] = nplug_digest(rig.nest);
        ck_assert_int_eq(nplug_trace_writer_write(writer), NPLUG_OK);
    }
    ck_assert_int_eq(nplug_trace_writer_close(writer), NPLUG_OK);
    ck_assert_int_eq(nplug_trace_read(path, &trace, &notes), NPLUG_OK);
    ck_assert_uint_eq(trace_of(trace).game, nplug_game_digest(rig.nest));
    ck_assert_uint_eq(notes.count, 0);
    rig_close(&rig);

    ck_assert_int_eq(nplug_trace_limits(trace, &limits), NPLUG_OK);
    limits.ring_slots = 4096;
    rig_open(&rig, &game, &limits);
    records = nplug_trace_records(trace, &count);
    nplug_replay_open(&replay, records, count);
    ck_assert_int_eq(nplug_replay_next(&replay, commands, 64, &commands_count, &now),
                     NPLUG_ERR_ORDER);
    nplug_replay_attach(&replay, rig.nest);
    for (step = 0; step < 200; step++) {
        ck_assert_int_eq(nplug_replay_next(&replay, commands, 64, &commands_count, &now), NPLUG_OK);
        for (size_t i = 0; i < commands_count; i++)
            ck_assert_int_eq(nplug_post(rig.nest, &commands[i]), NPLUG_OK);
        rig_step(&rig, now);
        ck_assert_msg(nplug_digest(rig.nest) == digest[step], "step %u", step);
    }
    ck_assert_int_eq(nplug_replay_next(&replay, commands, 64, &commands_count, &now), NPLUG_END);
    rig_close(&rig);
    nplug_trace_free(trace);
    unlink(path);
}

TEST(a_replay_with_too_little_room_says_so)
{
    nplug_record records[3] = {{0}};
    nplug_command commands[1];
    nplug_replay replay;
    nplug_time now;
    size_t count;
    test_rig rig;

    records[0].kind = records[1].kind = NPLUG_RECORD_COMMAND;
    records[2].kind = NPLUG_RECORD_STEP;
    rig_open(&rig, NULL, NULL);
    nplug_replay_open(&replay, records, 3);
    nplug_replay_attach(&replay, rig.nest);
    ck_assert_int_eq(nplug_replay_next(&replay, commands, 1, &count, &now), NPLUG_ERR_FULL);
    records[0].kind = NPLUG_RECORD_REPORT;
    records[0].data.report.device = 1u << 20;
    nplug_replay_open(&replay, records, 3);
    replay.ring = NULL;
    ck_assert_int_eq(nplug_replay_next(&replay, commands, 1, &count, &now), NPLUG_ERR_ORDER);
    ck_assert_int_eq(nplug_replay_next(NULL, commands, 1, &count, &now), NPLUG_ERR_ARGUMENT);
    rig_close(&rig);
}
