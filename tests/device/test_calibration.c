/* Calibration, twins, and settings that keep what was found. */
#include "support.h"
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

static void open_following(test_rig *rig, const nplug_game *game, bool follow)
{
    nplug_setup setup = nplug_setup_default();

    setup.follow_rest = follow;
    rig_open_setup(rig, game, setup);
    nplug_sim_plug(rig->sim, 0, "it", "curlew");
    rig_step(rig, 0);
}

static void sweep(test_rig *rig, nplug_time t, float x, nplug_time span)
{
    nplug_sim_sweep(rig->sim, t, "it", "stick-left", (nplug_vec2){x, 0.0f}, span);
}

static float at(test_rig *rig, nplug_time t, nplug_time frame)
{
    for (nplug_time now = nplug_nest_time(rig->nest); now < t; now += frame)
        rig_step(rig, now);
    rig_step(rig, t);
    return rig_control(rig, 0, "pad:stick-left").x;
}

/* What a pad that rests beside its middle and drifts comes to in the end. */
static float drift(nplug_time frame)
{
    test_rig rig;
    float found;

    open_following(&rig, NULL, true);
    sweep(&rig, 1000, 0.03f, 10 * MS);
    ck_assert_float_gt(at(&rig, 500 * MS, frame), 0.02f);
    ck_assert_float_lt(fabsf(at(&rig, 3 * SECOND, frame)), 0.002f);
    sweep(&rig, 3 * SECOND, 0.06f, 20 * SECOND);
    for (nplug_time t = 4 * SECOND; t < 26 * SECOND; t += SECOND)
        ck_assert_float_lt(fabsf(at(&rig, t, frame)), 0.012f);
    found = at(&rig, 30 * SECOND, frame);
    ck_assert_float_lt(fabsf(found), 0.002f);
    /* The ends are ends all the same. */
    sweep(&rig, 30 * SECOND, 1.0f, 10 * MS);
    ck_assert_float_eq(at(&rig, 30 * SECOND + 50 * MS, frame), 1.0f);
    rig_close(&rig);
    return found;
}

/* It is at rest again soon, and to the bit the same at any frame rate. */
TEST(drift_is_followed)
{
    ck_assert_float_eq(drift(4 * MS), drift(100 * MS));
}

/* A stick that is held, or a drift without end, never becomes rest. */
TEST(what_is_held_is_never_rest)
{
    test_rig rig;

    open_following(&rig, NULL, true);
    sweep(&rig, 1000, 0.3f, 10 * MS);
    for (nplug_time t = SECOND; t < 60 * SECOND; t += SECOND)
        ck_assert_float_eq_tol(at(&rig, t, 50 * MS), 0.3f, 0.002f);
    sweep(&rig, 60 * SECOND, 0.0f, 10 * MS);
    sweep(&rig, 61 * SECOND, 0.5f, 60 * SECOND);
    ck_assert_float_gt(at(&rig, 125 * SECOND, 50 * MS), 0.44f);
    rig_close(&rig);
}

TEST(without_being_asked_nothing_is_followed)
{
    test_rig rig;

    open_following(&rig, NULL, false);
    sweep(&rig, 1000, 0.03f, 10 * MS);
    ck_assert_float_eq_tol(at(&rig, 10 * SECOND, 20 * MS), 0.03f, 0.001f);
    nplug_calibrate(rig.nest, nplug_device_at(rig.nest, 0), NPLUG_CALIBRATE_MODE_FOLLOW);
    ck_assert_float_lt(fabsf(at(&rig, 14 * SECOND, 20 * MS)), 0.002f);
    nplug_calibrate(rig.nest, nplug_device_at(rig.nest, 0), NPLUG_CALIBRATE_MODE_RESET);
    ck_assert_float_eq_tol(at(&rig, 15 * SECOND, 20 * MS), 0.03f, 0.001f);
    ck_assert_int_eq(nplug_calibrate(rig.nest, 7, NPLUG_CALIBRATE_MODE_FIX), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_calibrate(rig.nest, 7, (nplug_calibrate_mode)9), NPLUG_ERR_ARGUMENT);
    rig_close(&rig);
}

/* A worn stick that reaches only nine tenths: measured, it reaches all; kept in a file, it does so
 * for the same device in the next run, and for no other. */
TEST(a_measured_range_is_kept)
{
    char path[] = "/tmp/nestplug-settings-XXXXXX";
    nplug_settings *settings = nplug_settings_new();
    NPLUG_SIZED(nplug_calibration_facts, axis);
    nplug_notes notes;
    nplug_device device;
    test_rig rig;

    close(mkstemp(path));
    open_following(&rig, NULL, false);
    device = nplug_device_at(rig.nest, 0);
    nplug_calibrate(rig.nest, device, NPLUG_CALIBRATE_MODE_MEASURE);
    at(&rig, 10 * MS, MS);
    sweep(&rig, 100 * MS, 0.9f, 100 * MS);
    sweep(&rig, 300 * MS, -0.9f, 100 * MS);
    sweep(&rig, 600 * MS, 0.02f, 100 * MS);
    at(&rig, SECOND, 5 * MS);
    nplug_calibrate(rig.nest, device, NPLUG_CALIBRATE_MODE_TAKE);
    ck_assert_float_eq(at(&rig, SECOND + MS, MS), 0.0f);
    sweep(&rig, SECOND + 10 * MS, 0.9f, 10 * MS);
    ck_assert_float_eq(at(&rig, SECOND + 50 * MS, MS), 1.0f);
    ck_assert_int_eq(nplug_calibration_info(rig.nest, device, 0, &axis), NPLUG_OK);
    ck_assert_int_lt(axis.now.high, axis.sheet.high);
    ck_assert_int_eq(nplug_calibration_info(rig.nest, device, 99, &axis), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_settings_keep(settings, rig.nest), NPLUG_OK);
    ck_assert_int_eq(nplug_settings_write(settings, path), NPLUG_OK);
    nplug_settings_free(settings);
    rig_close(&rig);
    ck_assert_int_eq(nplug_settings_read(path, &settings, &notes), NPLUG_OK);
    rig_open(&rig, NULL, NULL);
    ck_assert_int_eq(nplug_settings_use(settings, rig.nest), NPLUG_OK);
    nplug_sim_plug(rig.sim, 0, "it", "curlew");
    nplug_sim_plug(rig.sim, 0, "other", "heron");
    sweep(&rig, 1000, 0.9f, 0);
    nplug_sim_sweep(rig.sim, 1000, "other", "stick-left", (nplug_vec2){0.9f, 0.0f}, 0);
    rig_step(&rig, 2000);
    ck_assert_float_eq(rig_control(&rig, 0, "pad:stick-left").x, 1.0f);
    ck_assert_float_eq_tol(rig_control(&rig, 1, "pad:stick-left").x, 0.9f, 0.001f);
    rig_close(&rig);
    nplug_settings_free(settings);
    unlink(path);
}

/* What a later version wrote is kept, a sheet is kept and used, a wrong one is told. */
TEST(settings_keep_what_they_do_not_know)
{
    static const char text[] = "{\"nestplug\": \"settings\", \"version\": 1, \"later\": {\"a\": "
                               "1}, \"sheets\": [{\"nestplug\": \"sheet\","
                               " \"version\": 1, \"name\": \"box\", \"kind\": \"pad\", \"match\": "
                               "[{\"vendor\": \"0xb12d\", \"product\":"
                               " [\"0x0f01\"]}], \"controls\": {\"south\": {\"plain\": 1}}}]}";
    char path[] = "/tmp/nestplug-settings-XXXXXX", *written;
    nplug_sheet other;
    nplug_settings *settings;
    nplug_notes notes;
    uint32_t count;
    test_rig rig;

    close(mkstemp(path));
    ck_assert_int_eq(nplug_settings_parse(text, strlen(text), "s", &settings, &notes), NPLUG_OK);
    ck_assert_uint_eq(notes.count, 1); /* a warning: "later" is not known */
    rig_open(&rig, NULL, NULL);
    ck_assert_int_eq(nplug_settings_use(settings, rig.nest), NPLUG_OK);
    nplug_sim_plug(rig.sim, 0, "it", "sanderling");
    nplug_sim_press(rig.sim, 10, "it", "button", 0);
    rig_step(&rig, 100);
    ck_assert_float_eq(rig_control(&rig, 0, "pad:south").x, 1.0f);
    other = nplug_builtin_sheets(&count)[0];
    ck_assert_int_eq(nplug_settings_keep_sheet(settings, &other), NPLUG_OK);
    ck_assert_int_eq(nplug_settings_keep_sheet(settings, &other), NPLUG_OK);
    ck_assert_int_eq(nplug_settings_write(settings, path), NPLUG_OK);
    ck_assert_int_eq(nplug_settings_write(settings, "/nowhere/s"), NPLUG_ERR_FILE);
    written = slurp(path);
    ck_assert_ptr_nonnull(strstr(written, "\"later\""));
    ck_assert_ptr_nonnull(strstr(written, other.name));
    ck_assert_ptr_null(strstr(strstr(written, other.name) + 1, other.name));
    free(written);
    rig_close(&rig);
    nplug_settings_free(settings);
    unlink(path);
}

/* Saving replaces a file, by way of a link, too; never a device or a pipe. */
TEST(saving_replaces_files_alone)
{
    char folder[] = "/tmp/nestplug-save-XXXXXX", path[64], link[64], output[256];
    nplug_settings *settings = nplug_settings_new();

    ck_assert_ptr_nonnull(mkdtemp(folder));
    snprintf(path, sizeof path, "%s/s", folder);
    snprintf(link, sizeof link, "%s/l", folder);
    ck_assert_int_eq(nplug_settings_write(settings, path), NPLUG_OK);
    ck_assert_int_eq(symlink(path, link), 0);
    ck_assert_int_eq(nplug_settings_write(settings, link), NPLUG_OK);
    ck_assert_int_eq(nplug_settings_write(settings, "/dev/null"), NPLUG_OK);
    snprintf(output, sizeof output,
             "test -c /dev/null && test -L %s && test -f %s && ls %s | wc -l", link, path, folder);
    ck_assert_int_eq(run(output, output, sizeof output), 0);
    ck_assert_str_eq(output, "2\n");
    nplug_settings_free(settings);
    unlink(link);
    unlink(path);
    rmdir(folder);
}

/* Every built-in sheet comes through a file as it is. */
static uint32_t sheet_count(void)
{
    uint32_t count;

    nplug_builtin_sheets(&count);
    return count;
}

TESTS(a_sheet_comes_back_from_its_text, sheet_count())
{
    uint32_t count;
    const nplug_sheet *sheet = &nplug_builtin_sheets(&count)[_i];
    static char text[65536], again[65536];
    nplug_sheet_file *file;
    nplug_notes notes;

    ck_assert_uint_gt(nplug_sheet_text(sheet, text, sizeof text), 0);
    ck_assert_msg(nplug_sheet_file_parse(text, strlen(text), sheet->name, &file, &notes) ==
                      NPLUG_OK,
                  "%s: %s", sheet->name, notes.note[0].text);
    ck_assert_uint_eq(nplug_sheet_file_sheet(file)->wire_count, sheet->wire_count);
    for (uint32_t i = 0; i < sheet->wire_count; i++)
        ck_assert_mem_eq(&nplug_sheet_file_sheet(file)->wires[i], &sheet->wires[i],
                         sizeof sheet->wires[i]);
    nplug_sheet_text(nplug_sheet_file_sheet(file), again, sizeof again);
    ck_assert_str_eq(again, text);
    nplug_sheet_file_free(file);
}

/* --- twins ------------------------------------------------------------------------------------ */

static void press_both(test_rig *rig, nplug_time t, bool both)
{
    nplug_sim_press(rig->sim, t, "real", "south", 50 * MS);
    if (both) nplug_sim_press(rig->sim, t + 4 * MS, "virtual", "south", 50 * MS);
    rig_step(rig, t + 100 * MS);
}

TEST(twins_are_told_and_one_can_be_ignored)
{
    nplug_game game = harbour_for(1);
    NPLUG_SIZED(nplug_device_facts, info);
    nplug_event event;
    test_rig rig;
    bool said = false;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "real", "heron");
    nplug_sim_plug(rig.sim, 1, "virtual", "whimbrel");
    rig_step(&rig, 10);
    for (unsigned i = 0; i < 4; i++) {
        press_both(&rig, (i + 1) * SECOND, true);
        ck_assert(!rig_saw(&rig, NPLUG_EVENT_DUPLICATE, NULL));
    }
    press_both(&rig, 5 * SECOND, false); /* by chance, then */
    for (unsigned i = 6; i < 12 && !said; i++) {
        press_both(&rig, i * SECOND, true);
        said = rig_saw(&rig, NPLUG_EVENT_DUPLICATE, &event);
        ck_assert_int_eq(said, i == 10);
    }
    ck_assert_uint_eq(event.device, nplug_device_at(rig.nest, 1));
    ck_assert_uint_eq(event.other_device, nplug_device_at(rig.nest, 0));
    nplug_device_info(rig.nest, nplug_device_at(rig.nest, 0), &info);
    ck_assert_uint_eq(info.duplicate, event.device);
    ck_assert_int_eq(nplug_ignore(rig.nest, event.device, true), NPLUG_OK);
    nplug_sim_press(rig.sim, 20 * SECOND, "virtual", "south", 0);
    rig_step(&rig, 21 * SECOND);
    ck_assert(!nplug_held(rig.nest, NPLUG_EVERYONE, HORN));
    nplug_device_info(rig.nest, event.device, &info);
    ck_assert(info.ignored && info.players == 0);
    nplug_sim_release(rig.sim, 21 * SECOND, "virtual", "south");
    nplug_ignore(rig.nest, event.device, false);
    nplug_sim_press(rig.sim, 22 * SECOND, "virtual", "south", 0);
    rig_step(&rig, 23 * SECOND);
    ck_assert(nplug_held(rig.nest, 1, HORN));
    nplug_sim_unplug(rig.sim, 24 * SECOND, "virtual");
    rig_step(&rig, 25 * SECOND);
    nplug_device_info(rig.nest, nplug_device_at(rig.nest, 0), &info);
    ck_assert_uint_eq(info.duplicate, 0);
    rig_close(&rig);
}
