/* In the guest: one real node, made up through uinput and opened twice. */
#include "bench_node.h"
#include "standin/plug.h"
#include <fcntl.h>
#include <stdio.h>
#include <stdlib.h>
#include <unistd.h>

const char *const bench_node_name = "linux";

static int pad, bare_fd;

void plug_failed(const char *what, const char *why)
{
    fprintf(stderr, "nestplug-bench-guest: cannot %s: %s\n", what, why);
    exit(1);
}

const char *bench_node_open(void)
{
    char path[64];

    pad = plug_heron("quay-1/input0");
    plug_node(pad, path, sizeof path);
    bare_fd = open(path, O_RDONLY | O_NONBLOCK | O_CLOEXEC);
    if (bare_fd < 0) plug_failed("open", path);
    return "/dev/input";
}

void bench_node_say(int i)
{
    plug_say(pad, EV_ABS, ABS_X, i);
    plug_sync(pad);
}

int bench_node_bare(void)
{
    return bare_fd;
}

void bench_node_skip(void)
{
    struct input_event events[64];
    if (read(bare_fd, events, sizeof events) < 0) exit(1);
}

void bench_node_close(void)
{
    close(bare_fd);
    plug_out(pad);
}
