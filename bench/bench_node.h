/* The pad of bench_linux: a real one in the guest, a stand-in outside. */
#ifndef BENCH_NODE_H
#define BENCH_NODE_H

#include <linux/input.h>

extern const char *const bench_node_name; /* what the figures begin with */

/* Plugs the pad in; the folder in which the port finds it. */
const char *bench_node_open(void);

/* One frame: the left stick's x has the value i (1 to 5000), which is never the one before. */
void bench_node_say(int i);

/* The descriptor for the bare read(), and what the port alone is to hear thrown away there. */
int bench_node_bare(void);
void bench_node_skip(void);
void bench_node_close(void);

#endif
