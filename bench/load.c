#include "load.h"
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>
#include <unistd.h>

#define SEED     20260125u
#define PIPE_RUN 2000 /* reports in the pipe at once: they fit into its buffer */

double now_ns(void)
{
    struct timespec now;

    clock_gettime(CLOCK_MONOTONIC, &now);
    return (double)now.tv_sec * 1e9 + (double)now.tv_nsec;
}

static uint32_t next_random(uint32_t *state)
{
    *state = *state * 1664525u + 1013904223u;
    return *state >> 8;
}

/* --- the load ------------------------------------------------------------------------------- */

void begin_load(load *load, size_t most)
{
    memset(load, 0, sizeof *load);
    load->reports = (nplug_report *)malloc(most * sizeof *load->reports);
}

void end_frames(load *load, unsigned groups, unsigned rate)
{
    while (load->frames < FRAMES && groups * 60 >= (load->frames + 1) * rate)
        load->frame_end[load->frames++] = load->count;
}

nplug_report *add_value(load *load, nplug_time time, uint32_t device, uint16_t signal,
                        int32_t value)
{
    nplug_report *report = &load->reports[load->count++];

    memset(report, 0, sizeof *report);
    report->time = time;
    report->device = device;
    report->signal = signal;
    report->data.value = value;
    return report;
}

static void add_group(load *load, double second, uint32_t pad, uint32_t *random, bool *down)
{
    static const uint16_t axes[AXES] = {0, 1, 3, 4};
    nplug_time time = (nplug_time)(second * 1e6 + 0.5);
    nplug_report *last = NULL;

    for (unsigned a = 0; a < AXES; a++) {
        double phase = 2.0 * M_PI * (second * (1.0 + a) + pad / 8.0);
        last = add_value(load, time, pad, axes[a], (int32_t)(32000.0 * sin(phase)));
        last->flags = NPLUG_REPORT_FLAG_MORE | NPLUG_REPORT_FLAG_MOVES;
    }
    if (next_random(random) % 100 < 2 * AXES) {
        *down = !*down;
        load->presses += *down;
        last = add_value(load, time, pad, 8, *down);
    }
    last->flags &= (uint8_t)~NPLUG_REPORT_FLAG_MORE;
}

void make_load(load *load, unsigned rate)
{
    uint32_t random = SEED;
    bool down[PADS] = {false};

    begin_load(load, (size_t)PADS * rate * SECONDS * (AXES + 1));
    for (unsigned i = 0; i < rate * SECONDS; i++) {
        for (uint32_t pad = 0; pad < PADS; pad++)
            add_group(load, (double)i / rate, pad, &random, &down[pad]);
        end_frames(load, i + 1, rate);
    }
}

/* --- the nest's side ------------------------------------------------------------------------ */

static nplug_result keep_ring(void *self, nplug_ring *ring)
{
    *(nplug_ring **)self = ring;
    return NPLUG_OK;
}

static const nplug_port port = {
    sizeof(nplug_port), 0, "bench", keep_ring, NULL, NULL, NULL, NULL, NULL};

void plug_pad(nplug_ring *ring, uint32_t pad)
{
    plug_model(ring, "heron", pad);
}

void plug_model(nplug_ring *ring, const char *name, uint32_t pad)
{
    uint32_t count;
    const nplug_sim_model *model = nplug_sim_models(&count);
    nplug_report report = {0};

    while (strcmp(model->name, name) != 0)
        model++;

    report.device = pad;
    report.kind = NPLUG_REPORT_ARRIVE;
    report.data.arrive.bus = model->bus;
    report.data.arrive.vendor = model->vendor;
    report.data.arrive.product = model->product;
    report.data.arrive.signals = model->signal_count;
    nplug_push(ring, &report, 1);
    for (uint16_t i = 0; i < model->signal_count; i++) {
        memset(&report, 0, sizeof report);
        report.device = pad;
        report.kind = NPLUG_REPORT_SIGNAL;
        report.signal = i;
        report.data.signal.code = model->signals[i].code;
        report.data.signal.min = model->signals[i].min;
        report.data.signal.max = model->signals[i].max;
        report.data.signal.space = model->signals[i].space;
        report.data.signal.nature = model->signals[i].nature;
        nplug_push(ring, &report, 1);
    }
    memset(&report, 0, sizeof report);
    report.device = pad;
    report.kind = NPLUG_REPORT_READY;
    nplug_push(ring, &report, 1);
}

nplug_nest *open_bare(const nplug_game *game, const nplug_limits *limits, nplug_ring **ring)
{
    nplug_setup setup = nplug_setup_default();
    nplug_nest *nest;

    setup.limits = limits;
    if (nplug_start_bare(game, &setup, &nest) != NPLUG_OK) {
        fprintf(stderr, "bench: the nest does not open\n");
        exit(1);
    }
    nplug_attach(nest, &port, ring);
    return nest;
}

nplug_nest *open_nest(const nplug_game *game, const nplug_limits *limits, nplug_ring **ring)
{
    nplug_nest *nest = open_bare(game, limits, ring);

    for (uint32_t pad = 0; pad < PADS; pad++)
        plug_pad(*ring, pad);
    nplug_step(nest, 0);
    return nest;
}

size_t make_frame(nplug_report *frame, const load *load, size_t at, size_t end, nplug_time from)
{
    memcpy(frame, load->reports + at, (end - at) * sizeof *frame);
    for (size_t i = 0; i < end - at; i++)
        frame[i].time += from;
    return end - at;
}

double run_load(nplug_nest *nest, nplug_ring *ring, const load *load, nplug_time from)
{
    return run_asked(nest, ring, load, from, NULL);
}

double run_asked(nplug_nest *nest, nplug_ring *ring, const load *load, nplug_time from,
                 void (*ask)(const nplug_nest *nest))
{
    static nplug_report frame[FRAME_MOST];
    double spent = 0.0;
    size_t at = 0;

    NPLUG_SIZED(nplug_counts, counts);
    for (unsigned f = 0; f < FRAMES; f++) {
        size_t count = make_frame(frame, load, at, load->frame_end[f], from);
        double begin = now_ns();
        nplug_push(ring, frame, count);
        nplug_step(nest, from + (f + 1) * UINT64_C(1000000) / 60);
        if (ask) ask(nest);
        spent += now_ns() - begin;
        at = load->frame_end[f];
    }
    nplug_nest_counts(nest, &counts);
    if (counts.reports_dropped || counts.moves_dropped) {
        fprintf(stderr, "bench: the load did not come through whole\n");
        exit(1);
    }
    return spent;
}

/* --- the other side ------------------------------------------------------------------------- */

typedef struct raw_report {
    uint64_t seconds, microseconds;
    uint16_t type, code;
    int32_t value;
} raw_report;

double run_read(const int ends[2], size_t count)
{
    static raw_report many[PIPE_RUN];
    double spent = 0.0;

    for (size_t done = 0; done < count; done += PIPE_RUN) {
        double begin;
        if (write(ends[1], many, sizeof many) != (ssize_t)sizeof many) exit(1);
        begin = now_ns();
        for (unsigned i = 0; i < PIPE_RUN; i++)
            if (read(ends[0], &many[i], sizeof many[i]) != (ssize_t)sizeof many[i]) exit(1);
        spent += now_ns() - begin;
    }
    return spent / (double)((count + PIPE_RUN - 1) / PIPE_RUN * PIPE_RUN);
}

/* --- medians ---------------------------------------------------------------------------------- */

static int compare(const void *a, const void *b)
{
    double x = *(const double *)a, y = *(const double *)b;
    return (x > y) - (x < y);
}

double median(double *list, size_t count)
{
    qsort(list, count, sizeof *list, compare);
    return list[count / 2];
}
