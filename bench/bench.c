/* Measures the budgets of the design that hold so far; one line a figure: ratio NAME VALUE.
 *
 * Limits: one machine, one process, warm caches; each ratio is the median over alternating rounds
 * of the two sides.  The load is made beforehand, so that making it is not timed. */
#include "count_heap.h"
#include "nestplug/nestplug.h"
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>
#include <unistd.h>

#define PADS     8
#define AXES     4
#define SECONDS  2
#define ROUNDS   15
#define FRAMES   (60 * SECONDS)
#define SEED     20260125u
#define MOST     (PADS * 1000 * SECONDS * (AXES + 1))
#define PIPE_RUN 2000 /* reports in the pipe at once: they fit into its buffer */

static const nplug_action_def actions[] = {
    {"steer", NPLUG_VECTOR, "pad:stick-left | keys:KeyW,KeyS,KeyA,KeyD", 0},
    {"aim", NPLUG_VECTOR, "pad:stick-right", 0},
    {"throttle", NPLUG_LEVEL, "pad:trigger-right | key:Space", 0},
    {"horn", NPLUG_BUTTON, "pad:south | key:KeyH", 0},
    {"winch", NPLUG_BUTTON, "pad:west hold=400", 0},
};
enum { HORN = 3 };

/* The load: groups of one millisecond of one pad, in order of time. */
typedef struct load {
    nplug_report *reports;
    size_t count, presses;
    size_t frame_end[FRAMES]; /* how many reports are due up to the end of each frame */
} load;

static double now_ns(void)
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

static nplug_report *add_value(load *load, nplug_time time, uint32_t pad, uint16_t signal,
                               int32_t value)
{
    nplug_report *report = &load->reports[load->count++];

    memset(report, 0, sizeof *report);
    report->time = time;
    report->device = pad;
    report->signal = signal;
    report->as.value = value;
    return report;
}

static void add_group(load *load, unsigned ms, uint32_t pad, uint32_t *random, bool *down)
{
    static const uint16_t axes[AXES] = {0, 1, 3, 4};
    nplug_time time = (nplug_time)ms * 1000;
    nplug_report *last = NULL;

    for (unsigned a = 0; a < AXES; a++) {
        double phase = 2.0 * M_PI * (ms / 1000.0 * (1.0 + a) + pad / 8.0);
        last = add_value(load, time, pad, axes[a], (int32_t)(32000.0 * sin(phase)));
        last->flags = NPLUG_REPORT_MORE | NPLUG_REPORT_MOVES;
    }
    if (next_random(random) % 100 < 2 * AXES) {
        *down = !*down;
        load->presses += *down;
        last = add_value(load, time, pad, 8, *down);
    }
    last->flags &= (uint8_t)~NPLUG_REPORT_MORE;
}

static void make_load(load *load)
{
    uint32_t random = SEED;
    bool down[PADS] = {false};

    memset(load, 0, sizeof *load);
    load->reports = (nplug_report *)malloc(MOST * sizeof *load->reports);
    for (unsigned ms = 0, frame = 0; ms < 1000 * SECONDS; ms++) {
        for (uint32_t pad = 0; pad < PADS; pad++)
            add_group(load, ms, pad, &random, &down[pad]);
        while (frame < FRAMES && (ms + 1) * 60 >= (frame + 1) * 1000)
            load->frame_end[frame++] = load->count;
    }
}

/* --- the nest's side ------------------------------------------------------------------------ */

static nplug_result keep_ring(void *self, nplug_ring *ring)
{
    *(nplug_ring **)self = ring;
    return NPLUG_OK;
}

static const nplug_port port = {
    sizeof(nplug_port), "bench", keep_ring, NULL, NULL, NULL, NULL, NULL};

static void plug_pad(nplug_ring *ring, uint32_t pad)
{
    uint32_t count;
    const nplug_sim_model *model = nplug_sim_models(&count);
    nplug_report report = {0};

    report.device = pad;
    report.kind = NPLUG_REPORT_ARRIVE;
    report.as.arrive.bus = model->bus;
    report.as.arrive.vendor = model->vendor;
    report.as.arrive.product = model->product;
    report.as.arrive.signals = model->signal_count;
    nplug_push(ring, &report, 1);
    for (uint16_t i = 0; i < model->signal_count; i++) {
        memset(&report, 0, sizeof report);
        report.device = pad;
        report.kind = NPLUG_REPORT_SIGNAL;
        report.signal = i;
        report.as.signal.code = model->signals[i].code;
        report.as.signal.min = model->signals[i].min;
        report.as.signal.max = model->signals[i].max;
        report.as.signal.space = model->signals[i].space;
        report.as.signal.nature = model->signals[i].nature;
        nplug_push(ring, &report, 1);
    }
    memset(&report, 0, sizeof report);
    report.device = pad;
    report.kind = NPLUG_REPORT_READY;
    nplug_push(ring, &report, 1);
}

static nplug_nest *open_nest(nplug_ring **ring)
{
    nplug_game game = nplug_game_for("bench", actions, 5, PADS);
    nplug_setup setup = nplug_setup_default();
    nplug_nest *nest;

    setup.limits.players = PADS;
    if (nplug_start_bare(&game, &setup, &nest) != NPLUG_OK) exit(1);
    nplug_attach(nest, &port, ring);
    for (uint32_t pad = 0; pad < PADS; pad++)
        plug_pad(*ring, pad);
    nplug_step(nest, 0);
    for (uint32_t pad = 0; pad < PADS; pad++)
        nplug_claim(nest, nplug_device_at(nest, pad), pad + 1);
    return nest;
}

/* What a port has at hand when it pushes: a frame's reports, `from` later than in the load. */
static size_t make_frame(nplug_report *frame, const load *load, size_t at, size_t end,
                         nplug_time from)
{
    memcpy(frame, load->reports + at, (end - at) * sizeof *frame);
    for (size_t i = 0; i < end - at; i++)
        frame[i].time += from;
    return end - at;
}

/* Pushes and steps the whole load, frame by frame; nanoseconds a report. */
static double run_nest(nplug_nest *nest, nplug_ring *ring, const load *load, nplug_time from,
                       uint64_t *presses)
{
    static nplug_report frame[1024];
    double spent = 0.0;
    size_t at = 0;

    for (unsigned f = 0; f < FRAMES; f++) {
        size_t count = make_frame(frame, load, at, load->frame_end[f], from);
        double begin = now_ns();
        nplug_push(ring, frame, count);
        nplug_step(nest, from + (f + 1) * UINT64_C(1000000) / 60);
        *presses += nplug_presses(nest, NPLUG_ANYONE, HORN);
        spent += now_ns() - begin;
        at = load->frame_end[f];
    }
    return spent / (double)load->count;
}

/* --- the other side ------------------------------------------------------------------------- */

typedef struct raw_report {
    uint64_t seconds, microseconds;
    uint16_t type, code;
    int32_t value;
} raw_report;

/* Fetches reports of 24 bytes one by one from a pipe; nanoseconds a report. */
static double run_read(const int ends[2], size_t count)
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

/* --- figures -------------------------------------------------------------------------------- */

static int compare(const void *a, const void *b)
{
    double x = *(const double *)a, y = *(const double *)b;
    return (x > y) - (x < y);
}

static double median(double *list, size_t count)
{
    qsort(list, count, sizeof *list, compare);
    return list[count / 2];
}

static void check(const nplug_nest *nest, const load *load, uint64_t presses)
{
    nplug_counts counts = nplug_nest_counts(nest);

    if (presses >= load->presses * ROUNDS - ROUNDS * PADS && counts.moves_dropped == 0 &&
        counts.reports_dropped == 0 && counts.backwards == 0)
        return;
    fprintf(stderr, "bench: the load did not come through whole: %llu presses of %zu\n",
            (unsigned long long)presses, load->presses * ROUNDS);
    exit(1);
}

static void measure_reports(void)
{
    double nest_ns[ROUNDS], read_ns[ROUNDS], ratios[ROUNDS];
    nplug_ring *ring = NULL;
    nplug_nest *nest = open_nest(&ring);
    uint64_t presses = 0;
    unsigned long heap;
    int ends[2];
    load load;

    make_load(&load);
    if (pipe(ends) != 0) exit(1);
    heap = bench_heap_calls();
    for (unsigned i = 0; i < ROUNDS; i++) {
        nest_ns[i] = run_nest(nest, ring, &load, (nplug_time)(i + 1) * SECONDS * 1000000, &presses);
        read_ns[i] = run_read(ends, load.count);
        ratios[i] = nest_ns[i] / read_ns[i];
    }
    heap = bench_heap_calls() - heap;
    check(nest, &load, presses);
    printf("# %zu reports a round, %d rounds: %.1f ns a report, %.1f ns a read\n", load.count,
           ROUNDS, median(nest_ns, ROUNDS), median(read_ns, ROUNDS));
    printf("ratio report_vs_read %.4f\n", median(ratios, ROUNDS));
    printf("ratio heap_calls_after_open %lu\n", heap);
    nplug_close(nest);
    free(load.reports);
}

static void measure_memory(void)
{
    nplug_limits limits = nplug_limits_default();
    size_t rings = (size_t)limits.ports * limits.ring_slots * sizeof(nplug_report);

    printf("ratio nest_kib %.1f\n", (double)(nplug_memory_needed(&limits) - rings) / 1024.0);
}

int main(void)
{
    measure_reports();
    measure_memory();
    return 0;
}
