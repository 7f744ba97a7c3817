/* What the game may ask about the nest as a whole.
 *
 * Owns nothing.  Comes in: a nest.  Goes out: time, limits, events, counts, records. */
#include "core/calls/calls.h"

nplug_time nplug_nest_time(const nplug_nest *nest)
{
    return nest ? nest->feed.processed : 0;
}

nplug_limits nplug_nest_limits(const nplug_nest *nest)
{
    nplug_limits none = {0};
    return nest ? nest->limits : none;
}

nplug_counts nplug_nest_counts(const nplug_nest *nest)
{
    nplug_counts counts = {0};

    if (!nest) return counts;
    counts = np_feed_counts(&nest->feed);
    counts.events_dropped = nest->out.events.dropped;
    counts.records_dropped = nest->recorder.dropped;
    return counts;
}

uint32_t nplug_event_count(const nplug_nest *nest)
{
    return nest ? nest->out.events.count : 0;
}

const nplug_event *nplug_event_at(const nplug_nest *nest, uint32_t place)
{
    if (!nest || place >= nest->out.events.count) return NULL;
    return &nest->out.events.list[place];
}

size_t nplug_take_records(nplug_nest *nest, nplug_record *records, size_t max)
{
    return nest && records ? np_record_give(&nest->recorder, records, max) : 0;
}

uint64_t nplug_game_digest(const nplug_nest *nest)
{
    return nest && nest->game.game.used ? nest->game.game.digest : 0;
}

bool nplug_follows_rest(const nplug_nest *nest)
{
    return nest && nest->device.calibrations.follow;
}
