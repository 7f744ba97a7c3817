#include "agreement.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define SPAN 2000000 /* microseconds that a slow motion lasts */

/* A motion, as moves of the hardware. */
typedef struct motion {
    const char *name;
    nplug_move_kind kind;
    nplug_vec2 to;
    nplug_time span;
    bool stick; /* of what has two numbers only */
} motion;

static const motion motions[] = {{"pull", NPLUG_MOVE_SWEEP, {1.0f, 0.0f}, SPAN, false},
                                 {"circle", NPLUG_MOVE_CIRCLE, {1.0f, 2.0f}, SPAN, true},
                                 {"flick", NPLUG_MOVE_FLICK, {1.0f, 0.0f}, 60000, false},
                                 {"noise", NPLUG_MOVE_NOISE, {0.03f, 0.0f}, SPAN, false},
                                 {"drift", NPLUG_MOVE_SWEEP, {0.04f, 0.04f}, SPAN, false}};

/* A model plugged into a nest of its own, and one control of it. */
typedef struct bench {
    nplug_nest *nest;
    nplug_sim *sim;
    nplug_device device;
    nplug_nature nature;
    unsigned components;
    nplug_control control;
    const nplug_sim_model *model;
    const char *name;
    nplug_time now;
} bench;

static bool open_bench(bench *b, const nplug_sim_model *model)
{
    nplug_game game = nplug_game_for_one("agreement", NULL, 0);
    nplug_setup setup = nplug_setup_default();
    nplug_sim_limits limits = {2, 64};

    memset(b, 0, sizeof *b);
    b->model = model;
    setup.follow_rest = false; /* the truth is where the model rests */
    if (nplug_start_bare(&game, &setup, &b->nest) != NPLUG_OK) return false;
    b->sim = nplug_sim_open(limits, malloc(nplug_sim_memory_needed(limits)),
                            nplug_sim_memory_needed(limits));
    if (!b->sim) return false;
    nplug_sim_attach(b->sim, b->nest);
    nplug_sim_plug(b->sim, 0, "it", model->name);
    nplug_step(b->nest, 0);
    b->device = nplug_device_at(b->nest, 0);
    return true;
}

static void close_bench(bench *b)
{
    nplug_stop(b->nest);
    free(b->sim);
}

static double apart(float a, float b)
{
    return a > b ? (double)a - (double)b : (double)b - (double)a;
}

/* Steps after every report, up to a time; the largest difference from the truth on the way. */
static double follow(bench *b, nplug_time until)
{
    double worst = 0.0;

    for (; b->now <= until; b->now += b->model->interval) {
        nplug_vec2 truth, value;
        double x, y;
        nplug_step(b->nest, b->now);
        truth = nplug_sim_position(b->sim, "it", b->name);
        value = nplug_control_value(b->nest, b->device, b->control);
        x = apart(truth.x, value.x);
        y = b->components == 2 ? apart(truth.y, value.y) : 0.0;
        if (x > worst) worst = x;
        if (y > worst) worst = y;
    }
    return worst;
}

static void go(bench *b, nplug_vec2 to)
{
    nplug_sim_sweep(b->sim, b->now, "it", b->name, to, 20000);
    follow(b, b->now + 40000);
}

static bool is_at(const bench *b, float x, float y)
{
    nplug_vec2 value = nplug_control_value(b->nest, b->device, b->control);
    return value.x == x && value.y == y;
}

/* Which controls go both ways from their rest. */
static bool has_two_ways(const bench *b)
{
    static const char *const names[] = {"aileron", "elevator", "twist", "rudder", "steering"};

    for (size_t i = 0; i < sizeof names / sizeof *names; i++)
        if (strcmp(names[i], b->name) == 0) return true;
    return b->components == 2 && b->nature == NPLUG_NATURE_AXIS;
}

/* Whether all ends give exactly 1 or -1, and the rest exactly 0. */
static void check_points(bench *b, agreement_row *row)
{
    static const nplug_vec2 ends[] = {{1.0f, 0.0f}, {-1.0f, 0.0f}, {0.0f, 1.0f}, {0.0f, -1.0f}};
    static const nplug_vec2 rest = {0.0f, 0.0f};

    row->ends_exact = true;
    for (unsigned i = 0; i < 2 * b->components; i++) {
        if (i % 2 && !has_two_ways(b)) continue;
        go(b, ends[i]);
        row->ends_exact &= is_at(b, ends[i].x, ends[i].y);
    }
    go(b, rest);
    row->rest_exact = is_at(b, 0.0f, 0.0f);
}

/* The largest step between two neighbouring raw values that the control can tell apart. */
static double step_of(const bench *b)
{
    NPLUG_SIZED(nplug_control_facts, control);
    NPLUG_SIZED(nplug_signal_facts, signal);
    double narrowest = 0.0;

    for (uint32_t i = 0; nplug_control_info(b->nest, b->device, i, &control) == NPLUG_OK; i++) {
        if (control.control != b->control) continue;
        for (unsigned c = 0; c < control.components && c < 2; c++) {
            double low, high, side;
            if (nplug_signal_info(b->nest, b->device, control.signal[c], &signal) != NPLUG_OK)
                continue;
            low = (double)signal.raw - signal.min;
            high = (double)signal.max - signal.raw;
            side = low > 0 && (low < high || high <= 0) ? low : high;
            if (side > 0 && (narrowest == 0.0 || side < narrowest)) narrowest = side;
        }
    }
    return narrowest > 0.0 ? 1.0 / narrowest : 1.0;
}

static void move(bench *b, const motion *how)
{
    nplug_move one = {0};

    one.kind = (uint32_t)how->kind;
    one.time = b->now;
    one.span = how->span;
    one.on = "it";
    one.what = b->name;
    one.x = how->to.x;
    one.y = how->to.y;
    nplug_sim_move(b->sim, &one);
}

static bool measure_motion(bench *b, const motion *how, agreement_hear hear, void *user)
{
    agreement_row row = {b->model->name, how->name, b->name, 0.0, step_of(b), false, false};
    nplug_vec2 edge = {1.0f, 0.0f};

    if (how->kind == NPLUG_MOVE_CIRCLE) go(b, edge);
    move(b, how);
    row.worst = follow(b, b->now + how->span + b->model->interval);
    check_points(b, &row);
    hear(user, &row);
    /* Single precision has steps of its own. */
    return row.worst <= row.step + 1.2e-7 && row.rest_exact && row.ends_exact;
}

/* The control by a physical control's name; false where it is none that moves. */
static bool find(bench *b, const char *name)
{
    NPLUG_SIZED(nplug_device_facts, info);
    char full[80];

    nplug_device_info(b->nest, b->device, &info);
    snprintf(full, sizeof full, "%s:%s", nplug_kind_name(info.kind), name);
    b->name = name;
    b->control = nplug_control_named(full);
    b->nature = nplug_control_nature(b->control, &b->components);
    return b->control && (b->nature == NPLUG_NATURE_AXIS || b->nature == NPLUG_NATURE_POSITION);
}

/* A finger neither circles around a corner nor trembles beyond the edge. */
static bool suits(const bench *b, const motion *how)
{
    if (how->stick && b->components != 2) return false;
    return b->nature != NPLUG_NATURE_POSITION || how->kind == NPLUG_MOVE_SWEEP ||
           how->kind == NPLUG_MOVE_FLICK;
}

static bool measure_control(const nplug_sim_model *model, const char *name, agreement_hear hear,
                            void *user)
{
    bool good = true;

    for (size_t i = 0; i < sizeof motions / sizeof *motions; i++) {
        bench b;
        if (!open_bench(&b, model)) return false;
        if (find(&b, name) && suits(&b, &motions[i]))
            good &= measure_motion(&b, &motions[i], hear, user);
        close_bench(&b);
    }
    return good;
}

/* A round hat has eight places, not a position: it agrees with nothing in between. */
static bool is_measured(const nplug_sim_model *model, uint16_t index)
{
    const nplug_sim_control *control = &model->controls[index];

    if (control->round) return false;
    return index == 0 || strcmp(control->name, model->controls[index - 1].name) != 0;
}

bool agreement_measure(agreement_hear hear, void *user)
{
    uint32_t count;
    const nplug_sim_model *models = nplug_sim_models(&count);
    bool good = true;

    for (uint32_t m = 0; m < count; m++)
        for (uint16_t i = 0; i < models[m].control_count; i++)
            if (is_measured(&models[m], i))
                good &= measure_control(&models[m], models[m].controls[i].name, hear, user);
    return good;
}
