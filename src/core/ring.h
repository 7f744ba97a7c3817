/* A port's ring: one thread pushes groups, the nest's thread takes them. */
#ifndef NP_RING_H
#define NP_RING_H

#include "memory.h"
#include "nestplug/report.h"

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

void np_ring_layout(struct nplug_ring *ring, np_carve *carve, uint32_t slots);

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

#endif
