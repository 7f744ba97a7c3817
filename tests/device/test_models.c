/* All simulated models: recognised, normalised alike, and learnt. */
#include "core/nest/nest.h"
#include "support.h"
#include <jansson.h>
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static const struct {
    const char *model, *sheet, *family, *print;
    nplug_device_kind kind;
} rows[] = {
    {"heron", "heron", "quay-letters", "K", NPLUG_KIND_PAD},
    {"whimbrel", "whimbrel", "harbour-marks", "anchor", NPLUG_KIND_PAD},
    {"whimbrel-air", "whimbrel-air", "harbour-marks", "anchor", NPLUG_KIND_PAD},
    {"curlew", "curlew", "tide-letters", "R", NPLUG_KIND_PAD},
    {"dunlin", "dunlin", "numbers", "2", NPLUG_KIND_PAD},
    {"avocet", "avocet", "quay-letters", "K", NPLUG_KIND_PAD},
    {"godwit", "godwit", "", "", NPLUG_KIND_STICK},
    {"turnstone", "turnstone", "", "", NPLUG_KIND_KEYBOARD},
    {"stint", "stint", "", "", NPLUG_KIND_MOUSE},
    {"tern", "tern", "", "", NPLUG_KIND_TOUCH},
    {"tern-worn", "tern", "", "", NPLUG_KIND_TOUCH},
    {"ruff", "any-touch-one", "", "", NPLUG_KIND_TOUCH},
    {"osprey-left", "osprey-left", "", "", NPLUG_KIND_HAND_LEFT},
    {"osprey-right", "osprey-right", "", "", NPLUG_KIND_HAND_RIGHT},
    {"osprey-headset", "osprey-headset", "", "", NPLUG_KIND_HEADSET},
    {"sanderling", "", "", "", NPLUG_KIND_UNKNOWN},
};

static const nplug_sim_model *model_named(const char *name)
{
    uint32_t count;
    const nplug_sim_model *models = nplug_sim_models(&count);

    ck_assert_uint_eq(count, COUNT_OF(rows));
    for (uint32_t i = 0; i < count; i++)
        if (strcmp(models[i].name, name) == 0) return &models[i];
    ck_abort_msg("no model %s", name);
    return NULL;
}

TESTS(each_model_is_recognised, COUNT_OF(rows))
{
    NPLUG_SIZED(nplug_device_facts, info);
    nplug_device device;
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    model_named(rows[_i].model);
    nplug_sim_plug(rig.sim, 0, "it", rows[_i].model);
    rig_step(&rig, 1000);
    device = nplug_device_at(rig.nest, 0);
    nplug_device_info(rig.nest, device, &info);
    ck_assert_str_eq(info.sheet, rows[_i].sheet);
    ck_assert_str_eq(info.family, rows[_i].family);
    ck_assert_int_eq(info.kind, rows[_i].kind);
    ck_assert_str_eq(nplug_control_print(rig.nest, device, nplug_control_from_name("pad:south", 9)),
                     rows[_i].print);
    rig_close(&rig);
}

/* Every control of a model that the sheet knows goes all its way. */
static bool is_one_of_several(const nplug_sim_model *model, uint16_t i)
{
    return i && strcmp(model->controls[i].name, model->controls[i - 1].name) == 0;
}

/* A pose comes as it was put. */
TEST(a_pose_is_read_in_metres)
{
    nplug_pose put = {{0.25f, 1.5f, -0.75f}, {0.0f, 0.70710678f, 0.0f, 0.70710678f}}, got;
    nplug_move move = {
        .kind = NPLUG_MOVE_POSE, .time = 1000, .on = "it", .what = "pose-grip", .pose = &put};
    nplug_control grip = nplug_control_named("hand-left:pose-grip");
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    nplug_sim_plug(rig.sim, 0, "it", "osprey-left");
    rig_step(&rig, 500);
    ck_assert_int_eq(nplug_control_pose(rig.nest, nplug_device_at(rig.nest, 0), grip, &got),
                     NPLUG_OK);
    ck_assert_float_eq(got.orientation[3], 1.0f);
    ck_assert_int_eq(nplug_sim_move(rig.sim, &move), NPLUG_OK);
    rig_step(&rig, 2000);
    nplug_control_pose(rig.nest, nplug_device_at(rig.nest, 0), grip, &got);
    for (unsigned i = 0; i < 3; i++)
        ck_assert_float_eq_tol(got.position[i], put.position[i], 1e-6f);
    for (unsigned i = 0; i < 4; i++)
        ck_assert_float_eq_tol(got.orientation[i], put.orientation[i], 1e-6f);
    ck_assert_int_eq(nplug_control_pose(rig.nest, nplug_device_at(rig.nest, 0), 0, &got),
                     NPLUG_ERR_UNKNOWN);
    rig_close(&rig);
}

/* The table that the tool prints, whole. */
TEST(all_models_agree_with_the_truth)
{
    static char output[1u << 20];
    json_t *rows_json, *row;
    size_t i;

    ck_assert_int_eq(
        run(BINARY_DIR "/tool/nestplug graph --agreement --json", output, sizeof output), 0);
    rows_json = json_loads(output, 0, NULL);
    ck_assert_uint_gt(json_array_size(rows_json), 150);
    json_array_foreach(rows_json, i, row)
    {
        double worst = json_number_value(json_object_get(row, "worst"));
        double step = json_number_value(json_object_get(row, "step"));
        ck_assert_msg(worst <= step + 1.2e-7, "%s %s %s",
                      json_string_value(json_object_get(row, "model")),
                      json_string_value(json_object_get(row, "motion")),
                      json_string_value(json_object_get(row, "control")));
        ck_assert(json_is_true(json_object_get(row, "rest_exact")));
        ck_assert(json_is_true(json_object_get(row, "ends_exact")));
    }
    json_decref(rows_json);
}

/* --- learning --------------------------------------------------------------------------------- */

typedef struct pupil {
    test_rig rig;
    const nplug_sim_model *model;
    nplug_learner *learner;
    void *block;
    nplug_time now;
    bool trembles;      /* the hand, all the time, by 0.004 */
    uint32_t unwilling; /* not 0: leaves some questions out, at random */
} pupil;

static nplug_learn_phase wait(pupil *p, nplug_time span)
{
    nplug_learn_phase phase = NPLUG_LEARN_PHASE_GONE;

    for (nplug_time end = p->now + span; p->now < end;) {
        p->now += 16 * MS;
        rig_step(&p->rig, p->now);
        phase = nplug_learner_step(p->learner, p->rig.nest);
    }
    return phase;
}

static void sweep(pupil *p, const char *name, float x, float y)
{
    nplug_sim_sweep(p->rig.sim, p->now, "it", name, (nplug_vec2){x, y}, 60 * MS);
    wait(p, 160 * MS);
}

static bool has_control(const nplug_sim_model *model, const char *name)
{
    for (uint16_t i = 0; i < model->control_count; i++)
        if (strcmp(model->controls[i].name, name) == 0) return true;
    return false;
}

/* All sticks, triggers and levers go all their way, once. */
static void loosen(pupil *p)
{
    for (uint16_t i = 0; i < p->model->control_count; i++) {
        const char *name = p->model->controls[i].name;
        if (is_one_of_several(p->model, i) ||
            p->model->signals[p->model->controls[i].signal].nature == NPLUG_NATURE_BUTTON)
            continue;
        sweep(p, name, 1, 1);
        sweep(p, name, 0, 0);
    }
}

/* A hand that does what is asked, where the model has the control. */
static void answer(pupil *p, const nplug_learn_question *question)
{
    bool up = question->component == 1;
    nplug_move noise = {
        .kind = NPLUG_MOVE_NOISE, .span = 300 * MS, .on = "it", .x = 0.004f, .what = "stick-right"};
    char name[64];

    if (p->unwilling) p->unwilling = p->unwilling * 1664525u + 1013904223u;
    nplug_control_name(question->control, name, sizeof name);
    if (p->unwilling >> 30 == 3 || !has_control(p->model, strchr(name, ':') + 1)) {
        nplug_learner_skip(p->learner);
        return;
    }
    noise.time = p->now;
    if (p->trembles && has_control(p->model, "stick-right") && !strstr(name, "stick-right"))
        nplug_sim_move(p->rig.sim, &noise);
    sweep(p, strchr(name, ':') + 1, up ? 0.1f : 1.0f, up ? 1.0f : 0.1f);
    sweep(p, strchr(name, ':') + 1, 0, 0);
    wait(p, 400 * MS);
}

static void learn(pupil *p, const char *model, nplug_device_kind kind, bool trembles,
                  uint32_t unwilling)
{
    NPLUG_SIZED(nplug_learn_question, question);
    nplug_learn_phase phase;

    memset(p, 0, sizeof *p);
    p->trembles = trembles;
    p->unwilling = unwilling;
    p->model = model_named(model);
    rig_open(&p->rig, NULL, NULL);
    nplug_sim_plug(p->rig.sim, 0, "it", model);
    rig_step(&p->rig, 0);
    p->block = malloc(nplug_learner_memory_needed());
    p->learner = nplug_learner_open(p->rig.nest, nplug_device_at(p->rig.nest, 0), kind, p->block,
                                    nplug_learner_memory_needed());
    ck_assert_ptr_nonnull(p->learner);
    loosen(p);
    phase = wait(p, 4 * SECOND);
    for (int i = 0; i < 200 && phase != NPLUG_LEARN_PHASE_DONE; i++) {
        nplug_learner_info(p->learner, &question);
        ck_assert_msg(phase == NPLUG_LEARN_PHASE_MOVE, "%s: phase %d at question %u", model,
                      (int)phase, question.number);
        answer(p, &question);
        phase = nplug_learner_step(p->learner, p->rig.nest);
    }
    ck_assert_int_eq(phase, NPLUG_LEARN_PHASE_DONE);
}

/* The learnt sheet, by way of a file, gives the same values as the shipped one, whatever is moved.
 */
static void compare(const pupil *p)
{
    char text[32768];
    nplug_sheet_file *file;
    nplug_notes notes;
    NPLUG_SIZED(nplug_control_facts, info);
    NPLUG_SIZED(nplug_device_facts, about);
    test_rig own, shipped;
    float far = p->trembles ? 0.006f : 0.0f; /* a rest is known as well as it was shown */

    nplug_sheet_text(nplug_learner_sheet(p->learner), text, sizeof text);
    ck_assert_msg(nplug_sheet_file_parse(text, strlen(text), "learnt", &file, &notes) == NPLUG_OK,
                  "%s\n%s", notes.note[0].text, text);
    rig_open(&own, NULL, NULL);
    rig_open(&shipped, NULL, NULL);
    ck_assert_int_eq(nplug_add_sheets(own.nest, nplug_sheet_file_sheet(file), 1), NPLUG_OK);
    nplug_sim_plug(own.sim, 0, "it", p->model->name);
    nplug_sim_plug(shipped.sim, 0, "it", p->model->name);
    srand(5);
    for (unsigned i = 0; i < 300; i++) {
        const nplug_sim_control *control =
            &p->model->controls[(unsigned)rand() % p->model->control_count];
        nplug_vec2 to = {(float)(rand() % 101) / 100.0f, (float)(rand() % 201 - 100) / 100.0f};
        nplug_sim_sweep(own.sim, i * 10000, "it", control->name, to, 0);
        nplug_sim_sweep(shipped.sim, i * 10000, "it", control->name, to, 0);
        rig_step(&own, i * 10000 + 9000);
        rig_step(&shipped, i * 10000 + 9000);
        for (uint32_t c = 0; nplug_control_info(shipped.nest, nplug_device_at(shipped.nest, 0), c,
                                                &info) == NPLUG_OK;
             c++) {
            nplug_vec2 is =
                nplug_control_value(own.nest, nplug_device_at(own.nest, 0), info.control);
            ck_assert_msg(fabsf(is.x - info.value.x) <= far && fabsf(is.y - info.value.y) <= far,
                          "%s: %s: %f %f, not %f %f\n%s", p->model->name, control->name,
                          (double)is.x, (double)is.y, (double)info.value.x, (double)info.value.y,
                          text);
        }
    }
    nplug_device_info(own.nest, nplug_device_at(own.nest, 0), &about);
    ck_assert_int_eq(strncmp(about.sheet, "learnt-", 7), 0);
    rig_close(&own);
    rig_close(&shipped);
    nplug_sheet_file_free(file);
}

TESTS(what_is_learnt_normalises_as_what_is_shipped, 2 * (int)COUNT_OF(rows))
{
    pupil p;

    if (rows[_i / 2].kind != NPLUG_KIND_PAD && rows[_i / 2].kind != NPLUG_KIND_STICK) return;
    learn(&p, rows[_i / 2].model, rows[_i / 2].kind, _i % 2 != 0, 0);
    compare(&p);
    rig_close(&p.rig);
    free(p.block);
}

/* Whatever is left out, what was learnt is a sheet that can be read, with no half stick in it. */
TESTS(half_a_lesson_is_a_sheet_too, 12)
{
    static const char *const models[] = {"heron", "whimbrel", "curlew"};
    char text[32768];
    nplug_sheet_file *file;
    nplug_notes notes;
    pupil p;

    learn(&p, models[_i % 3], NPLUG_KIND_PAD, false, (uint32_t)_i * 77u + 5u);
    ck_assert_uint_lt(nplug_sheet_text(nplug_learner_sheet(p.learner), text, sizeof text),
                      sizeof text);
    if (nplug_sheet_file_parse(text, strlen(text), "learnt", &file, &notes) != NPLUG_OK)
        ck_abort_msg("%s\n%s", notes.note[0].text, text);
    nplug_sheet_file_free(file);
    rig_close(&p.rig);
    free(p.block);
}

TEST(a_learner_can_go_back_and_sees_a_departure)
{
    NPLUG_SIZED(nplug_learn_question, question);
    pupil p = {0};

    rig_open(&p.rig, NULL, NULL);
    nplug_sim_plug(p.rig.sim, 0, "it", "heron");
    rig_step(&p.rig, 0);
    p.block = malloc(nplug_learner_memory_needed());
    ck_assert_ptr_null(nplug_learner_open(p.rig.nest, nplug_device_at(p.rig.nest, 0),
                                          NPLUG_KIND_KEYBOARD, p.block,
                                          nplug_learner_memory_needed()));
    p.learner = nplug_learner_open(p.rig.nest, nplug_device_at(p.rig.nest, 0), NPLUG_KIND_PAD,
                                   p.block, nplug_learner_memory_needed());
    nplug_learner_skip(p.learner); /* the loosening */
    ck_assert_int_eq(wait(&p, SECOND), NPLUG_LEARN_PHASE_MOVE);
    sweep(&p, "south", 1, 0);
    sweep(&p, "south", 0, 0);
    wait(&p, 300 * MS);
    nplug_learner_info(p.learner, &question);
    ck_assert_uint_eq(question.number, 2);
    sweep(&p, "south", 1, 0); /* once more: it is taken */
    sweep(&p, "south", 0, 0);
    wait(&p, 300 * MS);
    nplug_learner_info(p.learner, &question);
    ck_assert_uint_eq(question.number, 2);
    ck_assert_uint_eq(question.taken, nplug_control_from_name("pad:south", 9));
    nplug_learner_undo(p.learner);
    nplug_learner_info(p.learner, &question);
    ck_assert_uint_eq(question.number, 1);
    ck_assert_ptr_null(nplug_learner_sheet(p.learner));
    nplug_sim_unplug(p.rig.sim, p.now, "it");
    ck_assert_int_eq(wait(&p, 100 * MS), NPLUG_LEARN_PHASE_GONE);
    rig_close(&p.rig);
    free(p.block);
}

/* Two of a sort without serial numbers are told apart by their sockets, and kept apart. */
TEST(two_identical_sticks_are_two)
{
    nplug_move plug = {.kind = NPLUG_MOVE_ARRIVE, .what = "godwit"};
    nplug_device first, second;
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    plug.on = "left";
    plug.socket = "bridge/1";
    nplug_sim_move(rig.sim, &plug);
    plug.on = "right";
    plug.socket = "bridge/2";
    nplug_sim_move(rig.sim, &plug);
    nplug_sim_sweep(rig.sim, 1000, "right", "rudder", (nplug_vec2){-1, 0}, 0);
    nplug_sim_sweep(rig.sim, 1000, "left", "throttle", (nplug_vec2){1, 0}, 0);
    rig_step(&rig, 2000);
    first = nplug_device_at(rig.nest, 0);
    second = nplug_device_at(rig.nest, 1);
    ck_assert(first != second &&
              nplug_device_key(rig.nest, first) != nplug_device_key(rig.nest, second));
    ck_assert_float_eq(rig_control(&rig, 0, "stick:rudder").x, 0.0f);
    ck_assert_float_eq(rig_control(&rig, 1, "stick:rudder").x, -1.0f);
    ck_assert_float_eq(rig_control(&rig, 0, "stick:throttle").x, 1.0f);
    ck_assert_float_eq(rig_control(&rig, 1, "stick:throttle").x, 0.0f);
    rig_close(&rig);
}

/* A new model is a file; one that is wrong leaves things as they were. */
TEST(a_model_comes_from_a_file)
{
    static const char text[] = "{\"nestplug\": \"model\", \"version\": 1, \"name\": \"knot\", "
                               "\"device\": \"Knot Pad\", \"bus\": \"usb\","
                               " \"vendor\": \"0xb12d\", \"product\": \"0x0101\", \"signals\": "
                               "[{\"evdev\": \"ABS_X\", \"nature\": \"axis\","
                               " \"range\": [-10, 10]}, {\"evdev\": \"BTN_SOUTH\"}],"
                               " \"controls\": {\"stick-left\": {\"x\": {\"evdev\": \"ABS_X\"}}, "
                               "\"south\": {\"evdev\": \"BTN_SOUTH\"}}}";
    nplug_model_file *file;
    nplug_notes notes;
    test_rig rig;

    ck_assert_int_eq(nplug_model_file_parse(text, strlen(text), "knot", &file, &notes), NPLUG_OK);
    rig_open(&rig, NULL, NULL);
    ck_assert_int_eq(nplug_sim_plug(rig.sim, 0, "it", "knot"), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_sim_add_models(rig.sim, nplug_model_file_model(file), 1), NPLUG_OK);
    ck_assert_int_eq(nplug_sim_plug(rig.sim, 0, "it", "knot"), NPLUG_OK);
    nplug_sim_sweep(rig.sim, 10, "it", "stick-left", (nplug_vec2){-1, 0}, 0);
    rig_step(&rig, 100);
    ck_assert_float_eq(rig_control(&rig, 0, "pad:stick-left").x, -1.0f);
    rig_close(&rig);
    nplug_model_file_free(file);
}
