/* Ports and time: whose group is the next.
 *
 * Owns np_feed.  Comes in: rings.  Goes out: a port, and up to when it may go on; resyncs and
 * effects. */
#include "core/feed/feed.h"
#include <string.h>

void np_feed_layout(np_feed *feed, np_arena *arena, const nplug_limits *limits)
{
    feed->ports = (np_feed_port *)np_arena_take(arena, limits->ports, sizeof(np_feed_port));
    feed->port_limit = limits->ports;
    for (uint32_t i = 0; i < limits->ports; i++) {
        nplug_ring measured = {0};
        np_ring_layout(arena->base ? &feed->ports[i].ring : &measured, arena, limits->ring_slots);
    }
}

/* A place for a port: one that was given up, or a new one; NP_NONE: there is none. */
static uint32_t free_place(const np_feed *feed)
{
    for (uint32_t i = 0; i < feed->port_count; i++)
        if (!feed->ports[i].attached && !feed->ports[i].leaving &&
            np_ring_waiting(&feed->ports[i].ring) == 0)
            return i;
    return feed->port_count < feed->port_limit ? feed->port_count : NP_NONE;
}

nplug_result np_feed_attach(np_feed *feed, const nplug_port *port, void *self)
{
    nplug_port taken = {0};
    uint32_t place = free_place(feed);
    np_feed_port *at;
    nplug_result result;

    if (!port) return NPLUG_ERR_ARGUMENT;
    if (!np_size_take(&taken, sizeof taken, port, NP_FIRST(nplug_port, key_label)))
        return NPLUG_ERR_SIZE;
    if (!taken.start) return NPLUG_ERR_ARGUMENT;
    if (place == NP_NONE) return NPLUG_ERR_FULL;
    at = &feed->ports[place];
    np_ring_reset(&at->ring, taken.lossless != 0);
    at->port = taken;
    at->self = self;
    result = taken.start(self, &at->ring);
    at->attached = result == NPLUG_OK;
    if (at->attached && place == feed->port_count) feed->port_count++;
    if (!at->attached) memset(&at->port, 0, sizeof at->port);
    return result;
}

bool np_feed_detach(np_feed *feed, const void *self)
{
    for (uint32_t i = 0; i < feed->port_count; i++) {
        np_feed_port *port = &feed->ports[i];
        if (!port->attached || port->self != self) continue;
        if (port->port.stop) port->port.stop(port->self);
        memset(&port->port, 0, sizeof port->port);
        port->attached = false;
        port->leaving = true;
        return true;
    }
    return false;
}

void np_feed_left(np_feed *feed, uint32_t port)
{
    feed->ports[port].leaving = false;
}

void np_feed_pump(np_feed *feed, nplug_time now)
{
    for (uint32_t i = 0; i < feed->port_count; i++) {
        np_feed_port *port = &feed->ports[i];
        if (port->port.pump) port->port.pump(port->self, now);
        port->waiting = np_ring_waiting(&port->ring);
    }
}

nplug_time np_feed_time(const np_feed *feed, uint32_t port)
{
    nplug_time time = np_ring_at(&feed->ports[port].ring, 0)->time;
    return time > feed->processed ? time : feed->processed;
}

/* Of two ports that say something at the same moment, the one attached first goes first: it may go
 * on up to the other's time, the other only to just before. */
static nplug_time yield_time(const np_feed *feed, uint32_t other, uint32_t chosen)
{
    nplug_time time = np_feed_time(feed, other);
    if (other > chosen) return time;
    return time ? time - 1 : 0;
}

uint32_t np_feed_next(const np_feed *feed, nplug_time now, nplug_time *until)
{
    uint32_t best = NP_NONE;

    for (uint32_t i = 0; i < feed->port_count; i++) {
        if (!feed->ports[i].waiting || np_feed_time(feed, i) > now) continue;
        if (best == NP_NONE || np_feed_time(feed, i) < np_feed_time(feed, best)) best = i;
    }
    *until = now;
    for (uint32_t i = 0; best != NP_NONE && i < feed->port_count; i++) {
        nplug_time turn;
        if (i == best || !feed->ports[i].waiting) continue;
        turn = yield_time(feed, i, best);
        if (turn < *until) *until = turn;
    }
    return best;
}

void np_feed_release(np_feed *feed)
{
    for (uint32_t i = 0; i < feed->port_count; i++)
        np_ring_release(&feed->ports[i].ring);
}

void np_feed_count(uint64_t *counter)
{
    ++*counter;
}

uint32_t np_feed_clock(np_feed *feed, nplug_time now)
{
    for (uint32_t i = 0; i < feed->port_count; i++) {
        np_feed_port *port = &feed->ports[i];
        bool ahead = port->waiting && np_feed_time(feed, i) > now &&
                     np_feed_time(feed, i) - now > NP_FEED_AHEAD;
        if (!ahead) port->clock_said = false;
        if (!ahead || port->clock_said) continue;
        port->clock_said = true;
        return i;
    }
    return NP_NONE;
}

void np_feed_resync(const np_feed *feed, uint32_t key)
{
    const np_feed_port *port = &feed->ports[key >> 24];
    if (port->port.resync) port->port.resync(port->self, key & NP_RING_FOLDED_MAX);
}

void np_feed_effect(const np_feed *feed, uint32_t key, const nplug_command *command)
{
    const np_feed_port *port = &feed->ports[key >> 24];
    nplug_effect effect = {0};

    effect.kind = command->kind == NPLUG_COMMAND_LIGHTS ? NPLUG_EFFECT_LIGHTS : NPLUG_EFFECT_RUMBLE;
    effect.player = command->player;
    effect.device = key & NP_RING_FOLDED_MAX;
    effect.strong = (float)command->strong / 65535.0f;
    effect.weak = (float)command->weak / 65535.0f;
    effect.duration_ms = command->number;
    if (port->port.effect) port->port.effect(port->self, &effect);
}

void np_feed_stop(np_feed *feed)
{
    for (uint32_t i = 0; i < feed->port_count; i++)
        if (feed->ports[i].port.stop) feed->ports[i].port.stop(feed->ports[i].self);
    feed->port_count = 0;
}

nplug_counts np_feed_counts(const np_feed *feed)
{
    nplug_counts counts = feed->counts;

    for (uint32_t i = 0; i < feed->port_count; i++) {
        const nplug_ring *ring = &feed->ports[i].ring;
        counts.moves_dropped += np_load_acquire(&ring->moves_dropped);
        counts.reports_dropped += np_load_acquire(&ring->reports_dropped);
        counts.bad_groups += np_load_acquire(&ring->bad_groups);
    }
    return counts;
}
