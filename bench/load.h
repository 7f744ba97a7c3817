/* What the benches share: the load, a nest with pads, and medians. */
#ifndef BENCH_LOAD_H
#define BENCH_LOAD_H

#include "nestplug/nestplug.h"

#define PADS    8
#define AXES    4
#define SECONDS 2
#define ROUNDS  15
#define FRAMES  (60 * SECONDS)

/* The load: groups of one pad at one moment, in order of time. */
typedef struct load {
    nplug_report *reports;
    size_t count, presses;
    size_t frame_end[FRAMES]; /* how many reports are due up to the end of each frame */
    unsigned frames;          /* ended so far */
} load;

double now_ns(void);

/* A load's place for so many reports, and its next one: all 0 but its moment, device, signal and
 * value. */
void begin_load(load *load, size_t most);
nplug_report *add_value(load *load, nplug_time time, uint32_t device, uint16_t signal,
                        int32_t value);

/* Ends the frames that are over when `groups` of so many a second are made. */
void end_frames(load *load, unsigned groups, unsigned rate);

/* The load at so many groups of each pad a second: 1000, or a multiple. */
void make_load(load *load, unsigned rate);

/* Pushes the arrival of a pad, or of another model, under a port's number. */
void plug_pad(nplug_ring *ring, uint32_t pad);
void plug_model(nplug_ring *ring, const char *name, uint32_t pad);

/* A nest with a game and nothing plugged in, whose ring is told in *ring. */
nplug_nest *open_bare(const nplug_game *game, const nplug_limits *limits, nplug_ring **ring);

/* A nest with a game, whose ring is told in *ring, and eight Herons plugged in. */
nplug_nest *open_nest(const nplug_game *game, const nplug_limits *limits, nplug_ring **ring);

/* What a port has at hand when it pushes: a frame's reports, `from` later than in the load. */
size_t make_frame(nplug_report *frame, const load *load, size_t at, size_t end, nplug_time from);

/* Pushes and steps the whole load, frame by frame, `from` later: nanoseconds.  `ask` is called once
 * in each frame, within the time that is taken; NULL: nothing is asked. */
double run_load(nplug_nest *nest, nplug_ring *ring, const load *load, nplug_time from);
double run_asked(nplug_nest *nest, nplug_ring *ring, const load *load, nplug_time from,
                 void (*ask)(const nplug_nest *nest));

/* Fetches reports of 24 bytes one by one from a pipe; nanoseconds a report. */
double run_read(const int ends[2], size_t count);

double median(double *list, size_t count);

/* The most reports of a frame, at the highest rate. */
#define FRAME_MOST 8192
#define RATE_MOST  8000

/* The figures of their own files. */
void measure_scale(void);
void measure_players(void);
void measure_recognition(void);
void measure_frames(void);
void measure_touch(void);
void measure_prompts(void);
void measure_poses(void);

#endif
