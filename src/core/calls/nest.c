/* What the game may ask about the nest as a whole.
 *
 * Owns nothing.  Comes in: a nest.  Goes out: time, limits, how it was opened, events,
 * counts, records. */
#include "core/calls/calls.h"

nplug_time nplug_nest_time(const nplug_nest *nest)
{
    return nest ? nest->feed.processed : 0;
}

uint32_t nplug_nest_changes(const nplug_nest *nest)
{
    return nest ? nest->changes + nest->action.layers.changes : 0;
}

nplug_result nplug_nest_limits(const nplug_nest *nest, nplug_limits *limits)
{
    if (!nest || !limits) return NPLUG_ERR_ARGUMENT;
    return np_size_give(limits, NP_FIRST(nplug_limits, contacts), &nest->limits,
                        sizeof nest->limits);
}

nplug_result nplug_nest_counts(const nplug_nest *nest, nplug_counts *counts)
{
    nplug_counts now;

    if (!nest || !counts) return NPLUG_ERR_ARGUMENT;
    now = np_feed_counts(&nest->feed);
    now.events_dropped = nest->out.events.dropped;
    now.records_dropped = nest->recorder.dropped;
    return np_size_give(counts, NP_FIRST(nplug_counts, records_dropped), &now, sizeof now);
}

nplug_result nplug_nest_info(const nplug_nest *nest, nplug_nest_facts *facts)
{
    nplug_nest_facts now = {0};

    if (!nest || !facts) return NPLUG_ERR_ARGUMENT;
    now.muted_kinds = nest->device.controls.muted_kinds;
    now.records = (uint32_t)nest->recorder.count;
    now.follow_rest = nest->device.calibrations.follow;
    now.record_all_keys = nest->recorder.all_keys;
    now.recording = nest->limits.records != 0;
    now.started = nest->started;
    return np_size_give(facts, NP_FIRST(nplug_nest_facts, started), &now, sizeof now);
}

uint32_t nplug_event_count(const nplug_nest *nest)
{
    return nest ? nest->out.events.count : 0;
}

const nplug_event *nplug_event_at(const nplug_nest *nest, uint32_t index)
{
    if (!nest || index >= nest->out.events.count) return NULL;
    return &nest->out.events.list[index];
}

size_t nplug_take_records(nplug_nest *nest, nplug_record *records, size_t max)
{
    return nest && records ? np_record_give(&nest->recorder, records, max) : 0;
}

uint64_t nplug_game_digest(const nplug_nest *nest)
{
    return nest && nest->game.game.used ? nest->game.game.digest : 0;
}
