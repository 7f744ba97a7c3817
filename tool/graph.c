#include "agreement.h"
#include "colours.h"
#include "describe.h"
#include "hardware.h"
#include "plot.h"
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* --- agreement ------------------------------------------------------------------------------ */

static void print_row(void *user, const agreement_row *row)
{
    (void)user;
    printf("%-15s %-7s %-13s %10.7f %10.7f %5.2f  %-5s %-5s\n", row->model, row->motion,
           row->control, row->worst, row->step, row->worst / row->step,
           row->rest_exact ? "exact" : "NO", row->ends_exact ? "exact" : "NO");
}

static void add_row(void *user, const agreement_row *row)
{
    json_array_append_new((json_t *)user,
                          json_pack("{s:s, s:s, s:s, s:f, s:f, s:b, s:b}", "model", row->model,
                                    "motion", row->motion, "control", row->control, "worst",
                                    row->worst, "step", row->step, "rest_exact", row->rest_exact,
                                    "ends_exact", row->ends_exact));
}

static int show_agreement(bool json)
{
    json_t *rows = json_array();
    bool good;

    if (!json)
        printf("%-15s %-7s %-13s %10s %10s %5s  %-5s %-5s\n", "MODEL", "MOTION", "CONTROL", "WORST",
               "STEP", "STEPS", "REST", "ENDS");
    good = agreement_measure(json ? add_row : print_row, rows);
    if (json)
        describe_print(rows, true);
    else
        json_decref(rows);
    if (!json)
        printf(good
                   ? "\nNo value is further from the truth than one step of its hardware.\n"
                   : "\nSome value is further from the truth than one step of its hardware, or not "
                     "exact.\n");
    return good ? TOOL_DONE : TOOL_WRONG;
}

/* --- what is drawn -------------------------------------------------------------------------- */

/* A binding as its own game: one action that it drives. */
typedef struct sketch {
    const char *binding;
    nplug_action_def def;
    nplug_game game;
    nplug_control control;
    unsigned components;
} sketch;

/* false where the binding's first word is no control. */
static bool begin_sketch(sketch *s, const char *binding)
{
    nplug_nature nature;

    memset(s, 0, sizeof *s);
    s->binding = binding;
    s->control = nplug_control_from_name(binding, strcspn(binding, " "));
    nature = nplug_control_nature(s->control, &s->components);
    s->def.name = "shaped";
    s->def.bindings = binding;
    s->def.kind = nature == NPLUG_NATURE_DELTA ? NPLUG_ACTION_MOTION
                  : s->components == 2         ? NPLUG_ACTION_VECTOR
                                               : NPLUG_ACTION_LEVEL;
    s->game = nplug_game_for_one("graph", &s->def, 1);
    return s->control && s->components <= 2;
}

/* The first device that has the control, and how it looks there. */
static bool find_control(const nplug_nest *nest, nplug_control control, nplug_device *device,
                         nplug_control_facts *info)
{
    info->size = (uint32_t)sizeof *info;
    for (uint32_t i = 0; i < nplug_device_count(nest); i++) {
        *device = nplug_device_at(nest, i);
        for (uint32_t c = 0; nplug_control_info(nest, *device, c, info) == NPLUG_OK; c++)
            if (info->control == control) return true;
    }
    return false;
}

static double raw_of(const nplug_nest *nest, nplug_device device, uint32_t signal)
{
    NPLUG_SIZED(nplug_signal_facts, info);
    return nplug_signal_info(nest, device, signal, &info) == NPLUG_OK ? (double)info.raw : 0.0;
}

/* --- over time ------------------------------------------------------------------------------ */

/* One line of data at this step; false where no device has the control. */
static bool write_sample(FILE *plot, const hardware *hw, const sketch *s)
{
    NPLUG_SIZED(nplug_control_facts, info);
    nplug_device device;
    nplug_vec2 shaped = nplug_vector(hw->nest, NPLUG_EVERYONE, 0);

    if (!find_control(hw->nest, s->control, &device, &info)) return false;
    fprintf(plot, "%.6f %.0f %.0f %.6f %.6f %.6f %.6f\n", (double)nplug_nest_time(hw->nest) / 1e6,
            raw_of(hw->nest, device, info.signal[0]), raw_of(hw->nest, device, info.signal[1]),
            (double)info.value.x, (double)info.value.y, (double)shaped.x, (double)shaped.y);
    return true;
}

static void draw_panel(FILE *plot, const char *title, unsigned first, unsigned components,
                       const char *range)
{
    fprintf(plot, "set ylabel '%s'\nset yrange %s\n", title, range);
    fprintf(plot, "plot $data using 1:%u with steps lw 2 lc rgb '" COLOUR_LINE_1 "' title 'x'",
            first);
    if (components == 2)
        fprintf(plot, ", $data using 1:%u with steps lw 2 lc rgb '" COLOUR_LINE_2 "' title 'y'",
                first + 1);
    fprintf(plot, "\n");
}

static void draw_panels(FILE *plot, const sketch *s)
{
    fprintf(plot, "set multiplot layout 3,1 title ");
    plot_text(plot, s->binding);
    fprintf(plot,
            " noenhanced\nset lmargin 12\nset key top right horizontal\nset autoscale xfix\n");
    draw_panel(plot, "raw", 2, s->components, "[*:*]");
    draw_panel(plot, "normalised", 4, s->components, "[-1.1:1.1]");
    fprintf(plot, "set xlabel 'seconds'\n");
    draw_panel(plot, "shaped", 6, s->components, "[-1.1:1.1]");
    fprintf(plot, "unset multiplot\n");
}

/* Plays the trace and writes a line a step into `lines`; how many that were. */
static unsigned long take_samples(hardware *hw, const sketch *s, FILE *lines)
{
    unsigned long samples = 0;

    while (hardware_next(hw))
        samples += write_sample(lines, hw, s);
    if (!samples)
        fprintf(stderr, "nestplug: no device of this trace has the control of \"%s\"\n",
                s->binding);
    return samples;
}

static bool draw_samples(const char *lines, const sketch *s, const char *output)
{
    FILE *plot = plot_open(output, 800);

    if (!plot) return false;
    fprintf(plot, "$data << EOD\n%sEOD\n", lines);
    draw_panels(plot, s);
    return plot_close(plot, output);
}

static int draw_trace(const char *trace, const sketch *s, unsigned rate, const char *output)
{
    hardware hw = {0};
    unsigned long samples = 0;
    char *lines = NULL;
    size_t size;
    int status;
    FILE *stream;

    hw.game = &s->game;
    status = hardware_open_trace(&hw, trace, rate);
    if (status >= 0) return status;
    stream = open_memstream(&lines, &size);
    if (stream) {
        samples = take_samples(&hw, s, stream);
        fclose(stream);
    }
    status = hardware_close(&hw);
    if (!samples || !draw_samples(lines, s, output))
        status = TOOL_WRONG;
    else if (status == TOOL_DONE)
        printf("%lu samples drawn into %s\n", samples, output);
    free(lines);
    return status;
}

/* --- the stick's plane ---------------------------------------------------------------------- */

/* A model plugged into a nest, and its stick. */
typedef struct stick {
    nplug_nest *nest;
    nplug_sim *sim;
    nplug_device device;
    nplug_control_facts info;
    const char *name;
    nplug_time now;
} stick;

static int open_stick(stick *at, const char *model, const sketch *s)
{
    nplug_setup setup = nplug_setup_default();
    nplug_sim_limits limits = {1, 16};
    static char name[64];

    memset(at, 0, sizeof *at);
    if (nplug_start_bare(&s->game, &setup, &at->nest) != NPLUG_OK) {
        fprintf(stderr, "nestplug: \"%s\" is no binding that can be drawn\n", s->binding);
        return TOOL_WRONG;
    }
    at->sim = nplug_sim_open(limits, malloc(nplug_sim_memory_needed(limits)),
                             nplug_sim_memory_needed(limits));
    if (!at->sim) return TOOL_WRONG;
    nplug_sim_attach(at->sim, at->nest);
    if (nplug_sim_plug(at->sim, 0, "it", model) != NPLUG_OK) {
        fprintf(stderr, "nestplug: there is no simulated model \"%s\": ", model);
        tool_models();
        return TOOL_WRONG;
    }
    nplug_step(at->nest, 0);
    if (!find_control(at->nest, s->control, &at->device, &at->info) || s->components != 2) {
        fprintf(stderr, "nestplug: %s has no stick for \"%s\"\n", model, s->binding);
        return TOOL_WRONG;
    }
    nplug_control_name(s->control, name, sizeof name);
    at->name = strchr(name, ':') + 1;
    return -1;
}

static void close_stick(stick *at)
{
    nplug_stop(at->nest);
    free(at->sim);
}

static void write_point(FILE *plot, stick *at, nplug_vec2 to)
{
    nplug_vec2 value, shaped;

    at->now += 20000;
    nplug_sim_sweep(at->sim, at->now, "it", at->name, to, 0);
    nplug_step(at->nest, at->now);
    value = nplug_control_value(at->nest, at->device, at->info.control);
    shaped = nplug_vector(at->nest, NPLUG_EVERYONE, 0);
    fprintf(plot, "%.0f %.0f %.6f %.6f %.6f %.6f\n",
            raw_of(at->nest, at->device, at->info.signal[0]),
            raw_of(at->nest, at->device, at->info.signal[1]), (double)value.x, (double)value.y,
            (double)shaped.x, (double)shaped.y);
}

/* Rings around the rest, as far as the gate lets the stick go: round, or square. */
static void write_rings(FILE *plot, stick *at)
{
    for (int ring = 1; ring <= 5; ring++) {
        float radius = (float)ring / 5.0f;
        for (int i = 0; i <= 160; i++) {
            float t = (float)(i % 40) / 20.0f - 1.0f;
            nplug_vec2 side[4] = {{1, t}, {-t, 1}, {-1, -t}, {t, -1}};
            nplug_vec2 to = side[i / 40 % 4];
            float length = at->info.square ? 1.0f : sqrtf(to.x * to.x + to.y * to.y);
            to.x *= radius / length;
            to.y *= radius / length;
            write_point(plot, at, to);
        }
        fprintf(plot, "\n");
    }
}

static void draw_planes(FILE *plot, const char *model, const stick *at, const sketch *s)
{
    const char *dead = strstr(s->binding, "dead=");
    char title[512];

    snprintf(title, sizeof title, "%s, a %s gate: %s", model, at->info.square ? "square" : "round",
             s->binding);
    fprintf(plot, "set multiplot layout 1,3 title ");
    plot_text(plot, title);
    fprintf(plot, " noenhanced\nset size ratio -1\nunset key\nset xlabel 'x'\nset ylabel 'y'\n");
    fprintf(plot,
            "set autoscale fix\nset offsets graph 0.07, graph 0.07, graph 0.07, graph 0.07\n"
            "set title 'raw'\nplot $data using 1:2 with lines lw 1.5 lc rgb '" COLOUR_LINE_3 "'\n");
    fprintf(plot, "unset offsets\nset xrange [-1.15:1.15]\nset yrange [-1.15:1.15]\n"
                  "set object 1 circle at 0,0 size 1 fs empty border lc rgb '" COLOUR_FRAME "'\n");
    if (dead)
        fprintf(plot,
                "set object 2 circle at 0,0 size %f fs solid fc rgb '" COLOUR_ZONE "' behind\n"
                "set label 1 'dead zone' at 0,-%f offset 0,-0.8 center\n",
                atof(dead + 5), atof(dead + 5));
    fprintf(plot,
            "set title 'normalised'\nplot $data using 3:4 with lines lw 1.5 lc rgb '" COLOUR_LINE_1
            "'\n"
            "unset object 2\nunset label 1\n"
            "set title 'shaped'\nplot $data using 5:6 with lines lw 1.5 lc rgb '" COLOUR_LINE_2
            "'\n"
            "unset multiplot\n");
}

static int draw_stick(const char *model, const sketch *s, const char *output)
{
    stick at;
    int status = open_stick(&at, model, s);
    FILE *plot;

    if (status < 0) {
        plot = plot_open(output, 520);
        status = TOOL_WRONG;
        if (plot) {
            fprintf(plot, "$data << EOD\n");
            write_rings(plot, &at);
            fprintf(plot, "EOD\n");
            draw_planes(plot, model, &at, s);
            if (plot_close(plot, output)) status = TOOL_DONE;
        }
        if (status == TOOL_DONE) printf("The stick's plane of %s drawn into %s\n", model, output);
    }
    close_stick(&at);
    return status;
}

/* --- the command ---------------------------------------------------------------------------- */

typedef struct wishes {
    char *output, *binding, *stick;
    int agreement, json, rate;
} wishes;

static int check(const tool_command *command, const wishes *want, const char *trace, sketch *s)
{
    if (want->agreement && (trace || want->stick || want->output))
        return tool_usage(command, "graph: --agreement is of all models, and draws nothing: %s",
                          trace         ? trace
                          : want->stick ? want->stick
                                        : want->output);
    if (want->agreement) return -1;
    if (!want->output) return tool_usage(command, "graph: say where to: -o FILE.png or FILE.svg");
    if (want->stick && trace)
        return tool_usage(command, "graph: --stick draws a model, not a trace: %s", trace);
    if (!want->stick && !trace)
        return tool_usage(command, "graph: say what: a TRACE, --stick MODEL or --agreement");
    if (want->rate < 1 || want->rate > 100000)
        return tool_usage(command, "graph: --rate takes 1 to 100000");
    if (!begin_sketch(s, want->binding ? want->binding : "pad:stick-left dead=0.15"))
        return tool_usage(command,
                          "graph: \"%s\" begins with no control that has one or two "
                          "numbers",
                          want->binding);
    return -1;
}

static int run(const tool_command *command, int argc, const char **argv)
{
    wishes want = {NULL, NULL, NULL, 0, 0, 250};
    const char *trace;
    sketch s = {0};
    int status;
    struct poptOption options[] = {
        {"output", 'o', POPT_ARG_STRING, &want.output, 0, "The picture to draw", "FILE"},
        {"binding", 'b', POPT_ARG_STRING, &want.binding, 0,
         "What to draw, as a game binds it (default: \"pad:stick-left dead=0.15\")", "TEXT"},
        {"stick", 0, POPT_ARG_STRING, &want.stick, 0,
         "Draw the plane of a simulated model's stick instead: rings, gate, dead zone", "MODEL"},
        {"agreement", 0, POPT_ARG_NONE, &want.agreement, 0,
         "Print how far each simulated model's values are from the truth", NULL},
        {"rate", 0, POPT_ARG_INT, &want.rate, 0, "Steps a second (default: 250)", "N"},
        {"json", 0, POPT_ARG_NONE, &want.json, 0, "With --agreement: print JSON", NULL},
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &trace);
    if (status < 0) status = check(command, &want, trace, &s);
    if (status < 0 && want.agreement)
        status = show_agreement(want.json != 0);
    else if (status < 0 && want.stick)
        status = draw_stick(want.stick, &s, want.output);
    else if (status < 0)
        status = draw_trace(trace, &s, (unsigned)want.rate, want.output);
    free(want.output);
    free(want.binding);
    free(want.stick);
    return status;
}

const tool_command tool_graph = {
    "graph",
    "[OPTIONS] [TRACE]",
    "Draws raw, normalised and shaped values: of a trace over time, or of a stick's plane",
    "Pictures are drawn by gnuplot. The first device that has the binding's control is drawn.",
    TOOL_MAY,
    run};
