/* The nest: opening, attaching ports, stepping, recording, closing. */
#ifndef NESTPLUG_NEST_H
#define NESTPLUG_NEST_H

#include "port.h"
#include "sheet.h"

#ifdef __cplusplus
extern "C" {
#endif

/* How much of everything a nest has room for.  Reaching a limit is an event, never a crash.  Each
 * is at least 1 where nothing else is said, and at most 60000. */
typedef struct nplug_limits {
    uint32_t size;       /* sizeof(nplug_limits) */
    uint32_t devices;    /* connected at once, and gone ones that are remembered; at most 4095 */
    uint32_t nodes;      /* pieces that devices are made of, all together; at most 16000 */
    uint32_t signals;    /* raw signals of all devices together; at most 65535 */
    uint32_t controls;   /* controls of all devices together; at most 50000 */
    uint32_t links;      /* pairs of a device control and a binding that reads it */
    uint32_t players;    /* at most NPLUG_PLAYERS_MAX */
    uint32_t actions;    /* of the game */
    uint32_t bindings;   /* of all actions together; at most 16000 */
    uint32_t sources;    /* different controls that bindings name */
    uint32_t events;     /* of one step, 16 to 1000000; a quarter is kept for arrivals, departures
                            and joins */
    uint32_t timers;     /* running at once */
    uint32_t commands;   /* between two steps; at least 4 */
    uint32_t ports;      /* at most 32 */
    uint32_t ring_slots; /* reports in each port's ring; a power of two, 64 to 16777216 */
    uint32_t shapings;   /* different shapings of bindings */
    uint32_t ramps;      /* controls of bindings that rise or fall */
    uint32_t gestures;   /* controls of which a tap, a hold or a repeat is wanted */
    uint32_t text;       /* bytes of bindings that players have of their own; at most 16777216 */
    uint32_t rules;      /* rules of all sheets together, those that are compiled in included */
    uint32_t records;    /* records kept for nplug_take_records, at most 100000000; 0: no
                            recording */
    uint32_t zones;      /* zones of all touch surfaces together; 0 where the game has none */
    uint32_t contacts;   /* contacts of all touch surfaces at once, at most 4096; may be 0 */
} nplug_limits;

/* The limits that suit a game of four players.  Signals and controls are counted for four whole
 * keyboards of 139 keys; or for two of them, two mice, four pads of 47 signals with their motion
 * sensors and touch pads, and a wheel and a stick of 60 signals each.  The others were chosen for
 * the demo's game with every action bound twice again by each player; nplug_limits_for counts them.
 */
static inline nplug_limits nplug_limits_default(void)
{
    nplug_limits limits = {(uint32_t)sizeof(nplug_limits),
                           32,   /* devices */
                           48,   /* nodes */
                           680,  /* signals */
                           448,  /* controls */
                           512,  /* links */
                           4,    /* players */
                           64,   /* actions */
                           192,  /* bindings */
                           192,  /* sources */
                           128,  /* events */
                           64,   /* timers */
                           64,   /* commands */
                           4,    /* ports */
                           1024, /* ring_slots */
                           24,   /* shapings */
                           12,   /* ramps */
                           24,   /* gestures */
                           896,  /* text */
                           128,  /* rules */
                           0,    /* records */
                           16,   /* zones */
                           20};  /* contacts */
    return limits;
}

/* As nplug_limits_default, as a real symbol: fills as much of *limits as `size` bytes hold.
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_limits_init(nplug_limits *limits, uint32_t size);

/* See action.h. */
struct nplug_game;

/* Limits under which a game fits, with all that its players can do: each of game->players binds
 * every action by other controls, and by one more than the game does, and has comfort for each.  As
 * many devices, signals and controls as in nplug_limits_default; records 0.  To open a nest in a
 * block of your own: take these limits, lower those that your game cannot reach, ask
 * nplug_memory_needed for the block's size, and hand block and limits to nplug_open.    A game that
 * is wrong is counted as far as it can be read; of NULL the default ones. */
NPLUG_API nplug_limits nplug_limits_for(const struct nplug_game *game);

/* Hears the log: one line of text, valid during the call only. */
typedef void (*nplug_log)(void *user, const char *line);

/* How a nest is opened. */
typedef struct nplug_setup {
    uint32_t size;        /* sizeof(nplug_setup) */
    bool record_all_keys; /* traces hold every key, not only those that the game or a player binds,
                             and those that are pressed while a pick waits */
    bool follow_rest;     /* devices that come are calibrated: see calibrate.h; on by default */
    bool reserved[2];     /* false */
    const nplug_limits *limits; /* copied; NULL: nplug_limits_default, or in nplug_start_game
                                   nplug_limits_for the game */
    nplug_log log;              /* NULL: no log */
    void *log_user;
    void (*free_block)(void *block); /* called last by nplug_close, with the nest's block; NULL: the
                                        block is the caller's to free.  nplug_start_game has its
                                        own */
} nplug_setup;

/* A setup with the default limits and no log, in which devices are calibrated. */
static inline nplug_setup nplug_setup_default(void)
{
    nplug_setup setup = {
        (uint32_t)sizeof(nplug_setup), false, true, {false}, NULL, NULL, NULL, NULL};
    return setup;
}

/* As nplug_setup_default, as a real symbol: fills as much of *setup as `size` bytes hold.
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_setup_init(nplug_setup *setup, uint32_t size);

/* How many bytes of memory a nest with these limits needs; 0 where the limits are impossible. */
NPLUG_API size_t nplug_memory_needed(const nplug_limits *limits);

/* Opens a nest in the caller's block, which must be aligned for a uint64_t, a double and a pointer
 * (as malloc's is) and outlive the nest; there is nothing to free but the block.  *nest is NULL on
 * an error: NPLUG_ERR_ARGUMENT (NULL, impossible limits, not aligned), NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_open(const nplug_setup *setup, void *block, size_t size,
                                  nplug_nest **nest);

/* Adds sheets to those that are compiled in, before the first step; a sheet added later wins over
 * an earlier one that fits as well.  The sheets stay the caller's.  NPLUG_ERR_ORDER,
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE; NPLUG_ERR_FORMAT where two of them tie (see
 * nplug_rules_tie);
 * NPLUG_ERR_FULL after four calls, or where limits.rules is too small.  On an error none of them
 * is added, and those that were there stay in force. */
NPLUG_API nplug_result nplug_add_sheets(nplug_nest *nest, const nplug_sheet *sheets,
                                        uint32_t count);

/* The sheet of a family that tells most of what is printed on its devices; a set that was added
 * goes before an earlier one, and the compiled-in ones come last.  NULL: no sheet is of that
 * family. Valid as long as the nest. */
NPLUG_API const nplug_sheet *nplug_family_sheet(const nplug_nest *nest, const char *family);

/* Takes everything that is due up to `now`, in time order: commands, timers that fell due, groups
 * of reports.  Reports later than `now` wait.  A `now` before the last one counts as the last.
 * NPLUG_OK, or NPLUG_AGAIN where events had no more room: read them, then step again with the
 * same `now`.  The only call by which a nest's state moves on. */
NPLUG_API nplug_result nplug_step(nplug_nest *nest, nplug_time now);

/* Ends what nplug_open began: stops all ports; the block may be freed after it.  NULL does nothing.
 */
NPLUG_API void nplug_close(nplug_nest *nest);

/* A number that becomes another one whenever something else than values happened (a device, a seat,
 * a layer, a binding, what is used): while it stays, so do devices, offers and prompts.  It may
 * become another one without that. */
NPLUG_API uint32_t nplug_nest_changes(const nplug_nest *nest);

/* A digest of all state that a game can see, except which keys are down that the game does not bind
 * (with record_all_keys, those too): each value is mixed in as a number of 64 bits, floats by their
 * IEEE 754 bits.  Equal nests have equal digests on every target. */
NPLUG_API uint64_t nplug_digest(const nplug_nest *nest);

/* A digest of the sheets and calibrations that were given to the nest beside those that are
 * compiled in: a trace replays as it was only where it is the same.  0 where nothing was given. */
NPLUG_API uint64_t nplug_given_digest(const nplug_nest *nest);

/* The time up to which the nest has come; 0 before the first step. */
NPLUG_API nplug_time nplug_nest_time(const nplug_nest *nest);

/* Fills *limits with those that the nest was opened with.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_nest_limits(const nplug_nest *nest, nplug_limits *limits);

/* How a nest was opened, and how it stands since the last step. */
typedef struct nplug_nest_facts {
    uint32_t size;        /* sizeof(nplug_nest_facts), set by the caller */
    uint32_t muted_kinds; /* bit by nplug_device_kind: by nplug_mute */
    uint32_t records;     /* that wait for nplug_take_records */
    bool follow_rest;     /* as in nplug_setup */
    bool record_all_keys; /* likewise */
    bool recording;       /* nplug_limits.records is not 0 */
    bool started;         /* it was stepped */
} nplug_nest_facts;

/* Fills *facts.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_nest_info(const nplug_nest *nest, nplug_nest_facts *facts);

/* Counts of everything that was lost or wrong so far; they only ever grow. */
typedef struct nplug_counts {
    uint32_t size;            /* sizeof(nplug_counts), set by the caller */
    uint32_t reserved;        /* 0 */
    uint64_t reports;         /* taken, good and bad */
    uint64_t unknown_device;  /* a report for a device that is not here, or that cannot be */
    uint64_t unknown_signal;  /* a signal that was never declared, or declared out of turn */
    uint64_t unknown_kind;    /* a report of no known kind */
    uint64_t backwards;       /* a time before the device's last one */
    uint64_t late;            /* a time before the last processed one */
    uint64_t early;           /* times that a port's clock was over a second ahead */
    uint64_t moves_dropped;   /* movement dropped by rings that filled up */
    uint64_t reports_dropped; /* reports refused by full rings */
    uint64_t bad_groups;      /* groups that never ended, or mixed devices */
    uint64_t events_dropped;  /* events that had no room */
    uint64_t records_dropped; /* records that nobody took in time */
} nplug_counts;

/* Fills *counts.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_nest_counts(const nplug_nest *nest, nplug_counts *counts);

/* Takes up to `max` records of the reports, commands and steps since the last call, oldest first;
 * returns how many. Records lost because nobody took them are counted (records_dropped), and a
 * trace with a gap does not replay. */
NPLUG_API size_t nplug_take_records(nplug_nest *nest, nplug_record *records, size_t max);

/* Posts a command as it stands in a trace; for replaying.  Errors as the call that it records. */
NPLUG_API nplug_result nplug_post(nplug_nest *nest, const nplug_command *command);

#ifdef __cplusplus
}
#endif
#endif
