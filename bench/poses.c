/* What VR costs: ratio pose_report_vs_read VALUE, one report of two hands and a headset at 500 Hz
 * (grip and aim with velocities, a trigger each, pressed twice a second), through step, with three
 * poses asked for in each frame, against fetching one report of 24 bytes from a pipe by read(). */
#include "load.h"
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#define RATE   500
#define GROUPS (RATE * SECONDS)
#define HEAD   2
/* Of the simulated models: a hand's trigger, its two poses with what comes between; and the head.
 */
#define TRIGGER      0
#define POSES        14
#define HAND_NUMBERS 21 /* a pose of 7, its tracking and 6 velocities, a pose of 7 */
#define HEAD_NUMBERS 7
#define MOST         (GROUPS * (2 * (HAND_NUMBERS + 1) + HEAD_NUMBERS))

static const nplug_action_def actions[] = {
    {"grab", NPLUG_ACTION_BUTTON, "hand:trigger press=0.9 release=0.3", 0},
    {"close", NPLUG_ACTION_LEVEL, "hand-main:trigger", 0},
    {"hook", NPLUG_ACTION_POSE, "hand-main:pose-aim", 0},
    {"load", NPLUG_ACTION_POSE, "hand:pose-grip", 0},
    {"head", NPLUG_ACTION_POSE, "headset:pose-view", 0}};

typedef struct motion {
    nplug_report reports[MOST];
    size_t count;
    size_t frame_end[FRAMES];
} motion;

static void say(motion *all, nplug_time time, uint32_t device, unsigned signal, double value)
{
    nplug_report *report = &all->reports[all->count++];

    memset(report, 0, sizeof *report);
    report->time = time;
    report->device = device;
    report->signal = (uint16_t)signal;
    report->flags = NPLUG_REPORT_FLAG_MORE | NPLUG_REPORT_FLAG_MOVES;
    report->data.value = (int32_t)value;
}

static void say_device(motion *all, nplug_time time, uint32_t device, unsigned g)
{
    unsigned first = device == HEAD ? 0 : POSES,
             numbers = device == HEAD ? HEAD_NUMBERS : HAND_NUMBERS;
    double turn = 2.0 * M_PI * (double)g / RATE * (1.0 + device / 3.0);

    for (unsigned i = 0; i < numbers; i++)
        if (device == HEAD || i != 7) /* the tracking stays */
            say(all, time, device, first + i, 1e6 * sin(turn + i));
    if (device != HEAD) say(all, time, device, TRIGGER, 32767.5 + 32767.5 * sin(2.0 * turn));
    all->reports[all->count - 1].flags = NPLUG_REPORT_FLAG_MOVES;
}

static void make(motion *all)
{
    for (unsigned g = 0, frame = 0; g < GROUPS; g++) {
        nplug_time time = (nplug_time)g * 1000000 / RATE + 1000;
        for (uint32_t device = 0; device <= HEAD; device++)
            say_device(all, time, device, g);
        while (frame < FRAMES && (g + 1) * 60 >= (frame + 1) * RATE)
            all->frame_end[frame++] = all->count;
    }
}

static nplug_result keep_ring(void *self, nplug_ring *ring)
{
    *(nplug_ring **)self = ring;
    return NPLUG_OK;
}

static const nplug_port port = {
    sizeof(nplug_port), 0, "bench", keep_ring, NULL, NULL, NULL, NULL, NULL};

static nplug_nest *open_crane(nplug_ring **ring)
{
    static const char *const models[] = {"osprey-left", "osprey-right", "osprey-headset"};
    nplug_game game = nplug_game_for_one("crane", actions, sizeof actions / sizeof *actions);
    nplug_nest *nest;

    if (nplug_start_bare(&game, NULL, &nest) != NPLUG_OK) exit(1);
    nplug_attach(nest, &port, ring);
    for (uint32_t i = 0; i <= HEAD; i++)
        plug_model(*ring, models[i], i);
    nplug_step(nest, 0);
    return nest;
}

/* All that a game asks in a frame. */
static unsigned ask(const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_pose_facts, facts);
    unsigned found = 0;

    for (uint32_t a = 2; a < 5; a++)
        found += nplug_action_pose(nest, 1, a, &facts) == NPLUG_OK && facts.position_tracked;
    return found;
}

static double run(nplug_nest *nest, nplug_ring *ring, const motion *all, nplug_time from)
{
    static nplug_report frame[1024];
    double spent = 0.0;
    size_t at = 0;
    unsigned found = 0;

    for (unsigned f = 0; f < FRAMES; f++) {
        size_t count = all->frame_end[f] - at;
        double begin;
        memcpy(frame, all->reports + at, count * sizeof *frame);
        for (size_t i = 0; i < count; i++)
            frame[i].time += from;
        begin = now_ns();
        nplug_push(ring, frame, count / 2);
        nplug_push(ring, frame + count / 2, count - count / 2);
        nplug_step(nest, from + (f + 1) * UINT64_C(1000000) / 60);
        found += ask(nest);
        spent += now_ns() - begin;
        at += count;
    }
    if (found != 3 * FRAMES) {
        fprintf(stderr, "bench: %u poses of %u came through\n", found, 3 * FRAMES);
        exit(1);
    }
    return spent / (double)all->count;
}

void measure_poses(void)
{
    static motion all;
    double nest_ns[ROUNDS], read_ns[ROUNDS], ratios[ROUNDS];
    nplug_ring *ring = NULL;
    nplug_nest *nest = open_crane(&ring);
    int ends[2];

    NPLUG_SIZED(nplug_action_facts, grab);
    make(&all);
    if (pipe(ends) != 0) exit(1);
    for (unsigned i = 0; i < ROUNDS; i++) {
        nest_ns[i] = run(nest, ring, &all, (nplug_time)(i + 1) * SECONDS * 1000000);
        read_ns[i] = run_read(ends, all.count);
        ratios[i] = nest_ns[i] / read_ns[i];
    }
    nplug_action_info(nest, 1, 0, &grab);
    if (grab.press_count < 2 * ROUNDS * SECONDS) {
        fprintf(stderr, "bench: the pulls did not come through: %llu presses\n",
                (unsigned long long)grab.press_count);
        exit(1);
    }
    printf("# %zu reports of hands and head a round: %.1f ns a report, %.1f ns a read\n", all.count,
           median(nest_ns, ROUNDS), median(read_ns, ROUNDS));
    printf("ratio pose_report_vs_read %.4f\n", median(ratios, ROUNDS));
    nplug_stop(nest);
}
