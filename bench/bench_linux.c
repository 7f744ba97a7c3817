/* From the kernel's write to the value that the game sees, less what a bare read() needs, in units
 * of one read(): ratio linux_step_in_reads VALUE.
 *
 * Built twice.  In the guest: a real node of a real kernel, made up through uinput and opened
 * twice, by the port and by the bare read(), so both fetch the same frames.  Outside: a stand-in
 * descriptor (a FIFO that is told what to say), for each its own.
 *
 * And how often a port with a thread of its own wakes while nothing happens: count
 * linux_idle_wakes VALUE, a second, as the kernel counts when that thread was waited for.
 *
 * Limits: the game steps as fast as it can, so the port mostly asks the node directly, without
 * epoll (a game of 60 frames a second pays one call more a frame); one pad, pumped by the step;
 * writing is not timed; median over alternating rounds. */
#include "bench_node.h"
#include "nestplug/nestplug.h"
#include <dirent.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>
#include <unistd.h>

#define ROUNDS 15
#define FRAMES 5000

static const nplug_action_def actions[] = {{"steer", NPLUG_ACTION_VECTOR, "pad:stick-left", 0}};

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
static double run_nest(nplug_nest *nest)
{
    double spent = 0.0;

    for (int i = 1; i <= FRAMES; i++) {
        double begin;
        bench_node_say(i);
        bench_node_skip();
        begin = now_ns();
        nplug_step(nest, (nplug_time)(begin / 1000.0)); /* the ports' clock is this one */
        if (nplug_vector(nest, 1, 0).x <= 0.0f) exit(1);
        spent += now_ns() - begin;
    }
    return spent / FRAMES;
}

/* Nanoseconds a frame of the same bytes for a bare read(). */
static double run_read(nplug_nest *nest)
{
    struct input_event events[64];
    double spent = 0.0;

    for (int i = 1; i <= FRAMES; i++) {
        double begin;
        bench_node_say(i);
        begin = now_ns();
        if (read(bench_node_bare(), events, sizeof events) != 2 * (ssize_t)sizeof *events) exit(1);
        spent += now_ns() - begin;
        nplug_step(nest, nplug_now());
    }
    return spent / FRAMES;
}

/* A nest with the port, both to be closed by the caller. */
static nplug_nest *open_nest(const char *folder, bool own_thread, nplug_linux **port)
{
    nplug_linux_setup setup = nplug_linux_setup_default();
    nplug_setup nest_setup = nplug_setup_default();
    nplug_game game = nplug_game_for_one("bench", actions, 1);
    nplug_nest *nest;

    setup.folder = folder;
    setup.own_thread = own_thread;
    if (nplug_start_bare(&game, &nest_setup, &nest) != NPLUG_OK) exit(1);
    *port = nplug_linux_open(&setup, malloc(nplug_linux_memory_needed(&setup)),
                             nplug_linux_memory_needed(&setup));
    if (nplug_linux_attach(*port, nest) != NPLUG_OK) exit(1);
    nplug_step(nest, nplug_now());
    return nest;
}

/* How often a thread went to sleep by its own will so far. */
static long sleeps_of(const char *task)
{
    char path[300], line[200];
    long count = 0;
    FILE *file;

    snprintf(path, sizeof path, "/proc/self/task/%s/status", task);
    file = fopen(path, "r");
    while (file && fgets(line, sizeof line, file))
        sscanf(line, "voluntary_ctxt_switches: %ld", &count);
    if (file) fclose(file);
    return count;
}

/* The same of all threads but this one. */
static long sleeps_of_others(void)
{
    DIR *tasks = opendir("/proc/self/task");
    const struct dirent *entry;
    long count = 0;

    if (!tasks) exit(1);
    while ((entry = readdir(tasks)))
        if (*entry->d_name != '.' && atol(entry->d_name) != (long)getpid())
            count += sleeps_of(entry->d_name);
    closedir(tasks);
    return count;
}

static void count_idle_wakes(const char *folder)
{
    nplug_linux *port;
    nplug_nest *nest = open_nest(folder, true, &port);
    long before;

    sleep(1); /* until all is open */
    before = sleeps_of_others();
    sleep(2);
    printf("count %s_idle_wakes %.1f\n", bench_node_name,
           (double)(sleeps_of_others() - before) / 2.0);
    nplug_stop(nest);
    free(port);
}

int main(void)
{
    const char *folder = bench_node_open();
    double ratios[ROUNDS];
    nplug_linux *port;
    nplug_nest *nest = open_nest(folder, false, &port);

    for (int i = 0; i < ROUNDS; i++) {
        double nest_ns = run_nest(nest), read_ns = run_read(nest);
        ratios[i] = (nest_ns - read_ns) / read_ns;
        if (i == ROUNDS / 2) printf("# %.0f ns a step, %.0f ns a read\n", nest_ns, read_ns);
    }
    qsort(ratios, ROUNDS, sizeof *ratios, compare);
    printf("ratio %s_step_in_reads %.2f\n", bench_node_name, ratios[ROUNDS / 2]);
    nplug_stop(nest);
    free(port);
    count_idle_wakes(folder);
    bench_node_close();
    return 0;
}
