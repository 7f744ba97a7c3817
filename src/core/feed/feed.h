/* The feed: time and order.  A ring for each port, and the merging of what they say.
 *
 * Comes in: what ports push, from threads of theirs.  Goes out: whose group is the next, and its
 * reports; resyncs and effects, to ports. */
#ifndef NP_FEED_H
#define NP_FEED_H

#include "core/base/base.h"
#include "nestplug/nest.h"
#include "nestplug/report.h"
#include <stdint.h>

/* --- rings (ring.c) -------------------------------------------------------------------------- */

/* The two atomic operations that a ring needs.  Without a compiler that has them, plain reads and
 * writes: then a port may only push from the nest's own thread. */
#if defined(__GNUC__)
#define np_load_acquire(from)       __atomic_load_n((from), __ATOMIC_ACQUIRE)
#define np_store_release(to, value) __atomic_store_n((to), (value), __ATOMIC_RELEASE)
#else
#define np_load_acquire(from)       (*(from))
#define np_store_release(to, value) (*(to) = (value))
#endif

/* A port's ring: one thread pushes groups, the nest's thread takes them. */
/* How many devices a ring can remember as stale while it has no room to say so. */
#define NP_RING_OWED 16

/* The largest device number in a lossless ring: port and device of a replayed report together. */
#define NP_RING_FOLDED_MAX 0xffffffu

/* Behind the last slot, a mark that no device's report is. */
#define NP_RING_END UINT32_MAX

struct nplug_ring {
    nplug_report *slots;
    uint32_t mask;
    bool lossless; /* refuses instead of dropping movement */

    /* The pushing side's own. */
    uint32_t write;  /* next slot to fill; ahead of `head` while a group is not complete */
    bool broken;     /* a group was refused that goes on: the rest is passed over */
    uint32_t device; /* whose that is */
    struct {
        uint32_t device;
        uint32_t at; /* where its STALE stands, once it was said */
        bool said;
    } owed[NP_RING_OWED]; /* devices that lost reports; until the nest has taken their STALE */
    uint32_t owed_count;

    /* Shared, each written by one side. */
    uint32_t head; /* by the pusher: end of the complete groups */
    uint32_t tail; /* by the nest: slots before it may be filled again */

    /* The nest's own. */
    uint32_t read; /* first report not yet taken; ahead of `tail` until it is released */

    /* Counted by the pusher, read by the nest. */
    uint32_t moves_dropped, reports_dropped, bad_groups;
};

void np_ring_layout(struct nplug_ring *ring, np_arena *arena, uint32_t slots);

/* Empty, for a port that begins; both sides must be at rest. */
void np_ring_reset(struct nplug_ring *ring, bool lossless);

/* The largest number that a device may have: what a replay pushes has that of its first port folded
 * in. */
static inline uint32_t np_ring_device_max(const struct nplug_ring *ring)
{
    return ring->lossless ? NP_RING_FOLDED_MAX : NPLUG_PORT_DEVICE_MAX;
}

/* The nest's side.  Reads at `read` and gives slots back to the pusher by np_ring_release. */
uint32_t np_ring_waiting(const struct nplug_ring *ring);
static inline const nplug_report *np_ring_at(const struct nplug_ring *ring, uint32_t place)
{
    return &ring->slots[(ring->read + place) & ring->mask];
}
/* How many of those that wait stand in a row, before the ring's end. */
static inline uint32_t np_ring_run(const struct nplug_ring *ring, uint32_t waiting)
{
    uint32_t row = ring->mask + 1 - (ring->read & ring->mask);
    return waiting < row ? waiting : row;
}
void np_ring_release(struct nplug_ring *ring);
uint32_t np_ring_bad_groups(const struct nplug_ring *ring);

/* --- ports and time (feed.c) ------------------------------------------------------------------ */

/* How far ahead of the step a report may be before the clocks are said to disagree. */
#define NP_FEED_AHEAD UINT64_C(1000000)
#define NP_FEED_PORTS 32

typedef struct np_feed_port {
    nplug_port port; /* all 0: stopped, or a free place */
    void *self;
    nplug_ring ring;
    uint32_t waiting; /* complete reports at the head of this step that are not taken yet */
    bool clock_said;
    bool attached;
    bool leaving; /* it was detached, and its devices have not all departed */
} np_feed_port;

/* Rumbles that play or wait, in the order in which they were asked for: of each device the first
 * one plays. */
#define NP_EFFECTS 16
typedef struct np_effect {
    uint32_t key; /* of the node that plays it */
    uint16_t device, ms, strong, weak;
} np_effect;

typedef struct np_effects {
    np_effect list[NP_EFFECTS];
    uint32_t count;
    bool paused;
} np_effects;

typedef struct np_feed {
    np_feed_port *ports;
    uint32_t port_limit, port_count;
    np_effects effects;
    nplug_time processed; /* up to here everything was taken */
    nplug_counts counts;  /* those that the nest's side counts */
} np_feed;

/* A port starts, and pushes from now on.  NPLUG_ERR_ARGUMENT, _SIZE, _FULL, or what its start says.
 */
nplug_result np_feed_attach(np_feed *feed, const nplug_port *port, void *self);

/* Stops a port; false where there is none with this `self`.  Its place is not given away before all
 * of its devices have departed (np_feed_left). */
bool np_feed_detach(np_feed *feed, const void *self);
void np_feed_left(np_feed *feed, uint32_t port);

/* What was counted on both sides of the rings. */
nplug_counts np_feed_counts(const np_feed *feed);

void np_feed_layout(np_feed *feed, np_arena *arena, const nplug_limits *limits);

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

/* --- effects (effects.c) ------------------------------------------------------------------------
 */

/* A device rumbles, in place of what plays and waits, or after that; one of 0 ms stops it.  What
 * played is over.  All of a device's ends. */
void np_effects_ask(np_feed *feed, np_out *out, const np_effect *effect, bool after,
                    nplug_time time);
void np_effects_over(np_feed *feed, np_out *out, uint32_t device, nplug_time time);
void np_effects_stop(np_feed *feed, np_out *out, uint32_t device);

/* A pause begins or ends, for whoever asks. */
void np_effects_pause(np_feed *feed, bool on);

#endif
