/* Outside: two descriptors that are told what to say, one for the port, one for the bare read(). */
#include "bench_node.h"
#include "standin/kernel.h"
#include <unistd.h>

const char *const bench_node_name = "standin";

static standin_node *pad, *bare;
static int bare_fd;

const char *bench_node_open(void)
{
    pad = standin_heron(0);
    bare = standin_plug(1); /* never shown to the port */
    bare_fd = dup(bare->writer);
    return standin_folder();
}

void bench_node_say(int i)
{
    standin_frame(pad, EV_ABS, ABS_X, i);
    standin_frame(bare, EV_ABS, ABS_X, i);
}

int bench_node_bare(void)
{
    return bare_fd;
}

void bench_node_skip(void)
{
    struct input_event events[64];
    if (read(bare_fd, events, sizeof events) < 0) _exit(1);
}

void bench_node_close(void)
{
    close(bare_fd);
    standin_show(bare);
    standin_clean();
}
