/* From the kernel's write to the value that the game sees, less what a bare read() needs, in units
 * of one read(): ratio linux_step_in_reads VALUE.
 *
 * Limits: the game steps as fast as it can, so the port mostly asks the node directly, without
 * epoll (a game of 60 frames a second pays one call more a frame); a stand-in descriptor (a FIFO
 * that is told what to say), not a real node; one pad, pumped by the step; writing is not timed;
 * median over alternating rounds. */
#include "nestplug/nestplug.h"
#include "standin/kernel.h"
#include <stdio.h>
#include <stdlib.h>
#include <time.h>
#include <unistd.h>

#define ROUNDS 15
#define FRAMES 5000

static const nplug_action_def actions[] = {{"steer", NPLUG_VECTOR, "pad:stick-left", 0}};

static double now_ns(void)
{
    struct timespec now;

    clock_gettime(CLOCK_MONOTONIC, &now);
    return (double)now.tv_sec * 1e9 + (double)now.tv_nsec;
}

static int compare(const void *a, const void *b)
{
    double x = *(const double *)a, y = *(const double *)b;
    return (x > y) - (x < y);
}

/* Nanoseconds a frame until the game has its value. */
static double run_nest(nplug_nest *nest, standin_node *pad)
{
    double spent = 0.0;

    for (int i = 1; i <= FRAMES; i++) {
        double begin;
        standin_frame(pad, EV_ABS, ABS_X, i);
        begin = now_ns();
        nplug_step(nest, (nplug_time)(begin / 1000.0)); /* the ports' clock is this one */
        if (nplug_vector(nest, 1, 0).x <= 0.0f) exit(1);
        spent += now_ns() - begin;
    }
    return spent / FRAMES;
}

/* Nanoseconds a frame of the same bytes for a bare read(). */
static double run_read(standin_node *pad, int fd)
{
    struct input_event events[64];
    double spent = 0.0;

    for (int i = 1; i <= FRAMES; i++) {
        double begin;
        standin_frame(pad, EV_ABS, ABS_X, i);
        begin = now_ns();
        if (read(fd, events, sizeof events) != 2 * (ssize_t)sizeof *events) exit(1);
        spent += now_ns() - begin;
    }
    return spent / FRAMES;
}

int main(void)
{
    nplug_linux_setup setup = nplug_linux_setup_default();
    nplug_setup nest_setup = nplug_setup_default();
    nplug_game game = nplug_game_for_one("bench", actions, 1);
    standin_node *pad = standin_heron(0), *bare;
    double ratios[ROUNDS];
    nplug_linux *port;
    nplug_nest *nest;
    int fd;

    setup.folder = standin_folder();
    if (nplug_start_bare(&game, &nest_setup, &nest) != NPLUG_OK) return 1;
    port = nplug_linux_open(&setup, malloc(nplug_linux_memory_needed(&setup)),
                            nplug_linux_memory_needed(&setup));
    if (nplug_attach(nest, nplug_linux_port(port), port) != NPLUG_OK) return 1;
    nplug_step(nest, nplug_now());
    bare = standin_plug(1); /* never shown to the port */
    fd = dup(bare->writer);
    for (int i = 0; i < ROUNDS; i++) {
        double nest_ns = run_nest(nest, pad), read_ns = run_read(bare, fd);
        ratios[i] = (nest_ns - read_ns) / read_ns;
        if (i == ROUNDS / 2) printf("# %.0f ns a step, %.0f ns a read\n", nest_ns, read_ns);
    }
    qsort(ratios, ROUNDS, sizeof *ratios, compare);
    printf("ratio linux_step_in_reads %.2f\n", ratios[ROUNDS / 2]);
    nplug_close(nest);
    free(port);
    close(fd);
    standin_show(bare);
    standin_clean();
    return 0;
}
