/* The feed: ports, their rings, and the merging of what they say in time order. */
#ifndef NP_FEED_H
#define NP_FEED_H

#include "nestplug/nest.h"
#include "ring.h"

/* How far ahead of the step a report may be before the clocks are said to disagree. */
#define NP_FEED_AHEAD UINT64_C(1000000)
#define NP_FEED_PORTS 32

typedef struct np_feed_port {
    const nplug_port *port; /* NULL: a free place */
    void *self;
    nplug_ring ring;
    uint32_t waiting; /* complete reports at the head of this step that are not taken yet */
    bool clock_said;
} np_feed_port;

typedef struct np_feed {
    np_feed_port *ports;
    uint32_t port_limit, port_count;
    nplug_time processed; /* up to here everything was taken */
    nplug_counts counts;  /* those that the nest's side counts */
} np_feed;

void np_feed_layout(np_feed *feed, np_carve *carve, const nplug_limits *limits);

/* Lets all ports push, and sees what waits. */
void np_feed_pump(np_feed *feed, nplug_time now);

/* The port whose group is the next in time order, of those due up to `now`; NP_NONE for none.
 * *until is the time up to which that port may go on before another one's turn. */
uint32_t np_feed_next(const np_feed *feed, nplug_time now, nplug_time *until);

/* The time at which a port's next report counts: never before what was processed. */
nplug_time np_feed_time(const np_feed *feed, uint32_t port);
static inline void np_feed_advance(np_feed *feed, nplug_time time)
{
    if (time > feed->processed) feed->processed = time;
}
/* Reports were taken from a port's ring. */
static inline void np_feed_took(np_feed *feed, uint32_t port, uint32_t count)
{
    feed->ports[port].ring.read += count;
    feed->ports[port].waiting -= count;
    feed->counts.reports += count;
}
/* What was taken may be filled again. */
void np_feed_release(np_feed *feed);
void np_feed_count(uint64_t *counter);

/* The first port whose clock runs ahead and was not said to; NP_NONE for none. */
uint32_t np_feed_clock(np_feed *feed, nplug_time now);

void np_feed_resync(const np_feed *feed, uint32_t key);
void np_feed_effect(const np_feed *feed, uint32_t key, const nplug_command *command);
void np_feed_stop(np_feed *feed);

#endif
