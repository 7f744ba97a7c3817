/* What VR costs: ratio pose_report_vs_read VALUE, one report of two hands and a headset at 500 Hz
 * (grip and aim with velocities, a trigger each, pressed twice a second), through step, with three
 * poses asked for in each frame, against fetching one report of 24 bytes from a pipe by read(). */
#include "load.h"
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
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

static void say(load *all, nplug_time time, uint32_t device, unsigned signal, double value)
{
    add_value(all, time, device, (uint16_t)signal, (int32_t)value)->flags =
        NPLUG_REPORT_FLAG_MORE | NPLUG_REPORT_FLAG_MOVES;
}

static void say_device(load *all, nplug_time time, uint32_t device, unsigned g)
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

static void make(load *all)
{
    begin_load(all, MOST);
    for (unsigned g = 0; g < GROUPS; g++) {
        nplug_time time = (nplug_time)g * 1000000 / RATE + 1000;
        for (uint32_t device = 0; device <= HEAD; device++)
            say_device(all, time, device, g);
        end_frames(all, g + 1, RATE);
    }
}

static nplug_nest *open_crane(nplug_ring **ring)
{
    static const char *const models[] = {"osprey-left", "osprey-right", "osprey-headset"};
    nplug_game game = nplug_game_for_one("crane", actions, sizeof actions / sizeof *actions);
    nplug_nest *nest;

    nest = open_bare(&game, NULL, ring);
    for (uint32_t i = 0; i <= HEAD; i++)
        plug_model(*ring, models[i], i);
    nplug_step(nest, 0);
    return nest;
}

static unsigned poses_found;

/* All that a game asks in a frame. */
static void ask(const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_pose_facts, facts);

    for (uint32_t a = 2; a < 5; a++)
        poses_found += nplug_action_pose(nest, 1, a, &facts) == NPLUG_OK && facts.position_tracked;
}

void measure_poses(void)
{
    load all;
    double nest_ns[ROUNDS], read_ns[ROUNDS], ratios[ROUNDS];
    nplug_ring *ring = NULL;
    nplug_nest *nest = open_crane(&ring);
    int ends[2];

    NPLUG_SIZED(nplug_action_facts, grab);
    make(&all);
    if (pipe(ends) != 0) exit(1);
    for (unsigned i = 0; i < ROUNDS; i++) {
        nest_ns[i] = run_asked(nest, ring, &all, (nplug_time)(i + 1) * SECONDS * 1000000, ask) /
                     (double)all.count;
        read_ns[i] = run_read(ends, all.count);
        ratios[i] = nest_ns[i] / read_ns[i];
    }
    if (poses_found != 3 * FRAMES * ROUNDS) {
        fprintf(stderr, "bench: %u poses of %u came through\n", poses_found, 3 * FRAMES * ROUNDS);
        exit(1);
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
    free(all.reports);
}
