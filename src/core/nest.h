/* The nest itself: what each stage owns, in the order in which a change passes through them. */
#ifndef NP_NEST_H
#define NP_NEST_H

#include "actions.h"
#include "active.h"
#include "bindings.h"
#include "bits.h"
#include "comfort.h"
#include "coming.h"
#include "commands.h"
#include "controls.h"
#include "devices.h"
#include "digest.h"
#include "events.h"
#include "feed.h"
#include "focus.h"
#include "gauges.h"
#include "gestures.h"
#include "notches.h"
#include "guards.h"
#include "labels.h"
#include "latest.h"
#include "layers.h"
#include "motions.h"
#include "pick.h"
#include "players.h"
#include "recognise.h"
#include "rebind.h"
#include "record.h"
#include "returns.h"
#include "sources.h"
#include "text.h"
#include "timers.h"
#include "twins.h"
#include "values.h"

/* What is used most stands first: near ends of a struct are reached by shorter instructions. */
struct nplug_nest {
    np_controls controls;
    bool cancelled; /* the system let go of something in the group that is being taken */
    np_players players;
    np_feed feed;
    np_devices devices;
    np_recogniser recogniser;
    np_gauges gauges;
    np_twins twins;
    np_game game;
    np_sources sources;
    np_layers layers;
    np_gestures gestures;
    np_actions actions;
    np_values values;
    np_actives active;
    np_comforts comforts;
    np_rebinds rebinds;
    np_pick pick;

    np_events events;
    np_timers timers;
    np_commands commands;
    np_recorder recorder;
    np_motions motions;
    np_latest latest;

    nplug_limits limits;
    nplug_log log;
    void *log_user;
    bool record_all_keys;
    bool started;  /* has stepped */
    uint32_t said; /* what the log was told once already: a bit by np_once */
    uint64_t step; /* how many steps were taken */
};

/* What the log is told the first time only. */
typedef enum np_once {
    NP_ONCE_DEVICE,
    NP_ONCE_NOBODY,
    NP_ONCE_SIGNAL,
    NP_ONCE_KIND,
    NP_ONCE_BACKWARDS,
    NP_ONCE_LATE,
    NP_ONCE_RING,
    NP_ONCE_GROUP,
    NP_ONCE_MIXED,
    NP_ONCE_ACTION,
    NP_ONCE_PLAYER,
    NP_ONCE_NAME,
    NP_ONCE_LIMITS /* and one bit more for each nplug_limit */
} np_once;

/* The log (log.c). */
void np_log_line(const nplug_nest *nest, const char *line);
/* "TEXT NUMBER", the first time for each `what`. */
void np_log_once(nplug_nest *nest, np_once what, const char *text, uint64_t number);
/* A limit was reached: an event, and a line in the log the first time. */
void np_limit_reached(nplug_nest *nest, nplug_limit limit, nplug_time time);

/* What depends on time and on order is brought up to a time, before anything changes then. */
static inline void np_nest_advance(nplug_nest *nest, nplug_time time)
{
    if (nest->motions.count) np_motions_advance(nest, time);
    if (nest->values.latest) np_latest_advance(nest, time);
    np_motions_pass(&nest->motions, time);
}

/* Puts a command into the outbox: it is applied before the next group of reports. */
void np_outbox_put(nplug_nest *nest, const nplug_command *command, nplug_time time);

#endif
