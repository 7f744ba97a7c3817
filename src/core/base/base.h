/* The ground floor: memory, numbers, texts, timers, and all that rooms say.  Nothing here knows the
 * job.
 *
 * Comes in: nothing.  Goes out: what every other room is built with. */
#ifndef NP_BASE_H
#define NP_BASE_H

#include "nestplug/event.h"
#include "nestplug/nest.h"
#include "nestplug/trace.h"
#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

/* No place in a list. */
#define NP_NONE UINT32_MAX

/* --- structs that grow (sizes.c)
 * ------------------------------------------------------------------
 */

/* How large a struct was when it was first released: up to its last member of that time. */
#define NP_FIRST(type, last) (offsetof(type, last) + sizeof(((type *)0)->last))

/* Copies a caller's struct over *to, which holds the defaults and is `known` bytes.  False where it
 * is smaller than `first`, or has what this version does not know. */
bool np_size_take(void *to, size_t known, const void *from, size_t first);

/* Copies *from, which is `known` bytes, to a caller's struct, as much of it as the caller knows.
 * NPLUG_ERR_SIZE where that is less than `first`. */
nplug_result np_size_give(void *to, size_t first, const void *from, size_t known);

/* --- how many there are of each enum in this version
 * -----------------------------------------------
 *
 * The public headers do not say it: such a count would change with each release. */

enum {
    NP_KINDS = NPLUG_KIND_MOTION + 1,
    NP_SPACES = NPLUG_SPACE_OPENXR + 1, /* that ports and sheets may name */
    NP_REPORT_KINDS = NPLUG_REPORT_AWAKE + 1,
    NP_TEXTS = NPLUG_TEXT_UNIT + 1,
    NP_EVENT_KINDS = NPLUG_EVENT_AWAKE + 1,
    NP_COMMAND_KINDS = NPLUG_COMMAND_PAUSE_RUMBLE + 1
};

/* --- controls of zones --------------------------------------------------------------------------
 *
 * A zone's number and what it is as a control stand in the control's place. */

typedef enum np_zone_role {
    NP_ZONE_BUTTON = 0,
    NP_ZONE_STICK,
    NP_ZONE_SLIDER,
    NP_ZONE_MOVE,
    NP_ZONE_TAP,
    NP_ZONE_SWIPE,
    NP_ZONE_PINCH,
    NP_ZONE_TURN
} np_zone_role;

#define NP_ZONE_CONTROL(zone, role) NPLUG_CONTROL(NPLUG_CLASS_ZONE, (zone) << 3 | (role))

/* --- the block (arena.c) ------------------------------------------------------------------------
 */

/* The block that a nest lives in: laid out once, from front to back, never given back.
 *
 *   nest | rings | nodes, devices, signals | controls, wires | seats | game, links, machines |
 *   actions | events | timers | commands, outbox | records
 *
 * The same walk measures (base NULL) and lays out. */

/* What anything in it is aligned for. */
#define NP_ALIGN _Alignof(np_widest)
typedef union np_widest {
    uint64_t number;
    double real;
    void *pointer;
    void (*function)(void);
} np_widest;

typedef struct np_arena {
    unsigned char *base; /* NULL while measuring */
    size_t used;
} np_arena;

/* Room for `count` objects of `size` bytes, aligned for any object and zeroed; NULL while
 * measuring. */
void *np_arena_take(np_arena *arena, size_t count, size_t size);

/* One array of a room: where in the room its pointer stands, and where in the limits how many there
 * are of it. */
typedef struct np_array {
    uint16_t pointer, limit, size;
    uint16_t how; /* an np_array_how */
} np_array;

typedef enum np_array_how {
    NP_ARRAY_OF = 0,    /* so many as the limit says */
    NP_ARRAY_BY_PLAYER, /* so many for each player, player 0 included */
    NP_ARRAY_PLAYERS    /* one for each player, likewise */
} np_array_how;

#define NP_ARRAY(room, member, of, how)                                                            \
    {                                                                                              \
        offsetof(room, member), offsetof(nplug_limits, of), sizeof *((room *)0)->member, how       \
    }

/* Takes all arrays of a room. */
void np_arena_lay(np_arena *arena, void *room, const nplug_limits *limits, const np_array *arrays,
                  size_t count);

/* A set of places in a pool, of which runs are taken and given back. */
typedef struct np_span {
    uint8_t *used; /* one bit a place */
    uint32_t size;
} np_span;

void np_span_layout(np_span *span, np_arena *arena, uint32_t size);

/* The first of `count` free places in a row, now taken; -1 where there are none.  A run of none is
 * always at 0. */
int32_t np_span_take(np_span *span, uint32_t count);
void np_span_give(np_span *span, uint32_t first, uint32_t count);

/* --- sets of players ----------------------------------------------------------------------------
 */

/* Sets of players: bit p of a number is player p. */
/* The lowest one of a set that is not empty; a set is walked by this and np_bits_rest until it is.
 * The lowest bit times a de Bruijn sequence of order 5 has its place in the upper five bits. */
static inline uint32_t np_bits_lowest(uint32_t set)
{
    static const uint8_t places[32] = {0,  1,  28, 2,  29, 14, 24, 3,  30, 22, 20,
                                       15, 25, 17, 4,  8,  31, 27, 13, 23, 21, 19,
                                       16, 7,  26, 12, 18, 6,  11, 5,  10, 9};

    return places[(set & (0u - set)) * 0x077cb531u >> 27];
}

/* A set without its lowest one. */
static inline uint32_t np_bits_rest(uint32_t set)
{
    return set & (set - 1u);
}

/* --- numbers (number.c) -------------------------------------------------------------------------
 */

/* Numbers that are the same on every target: single precision, no contraction, no wider steps. */
#if defined(__FAST_MATH__)
#error "build Nest Plug's core without -ffast-math: its values must be the same everywhere"
#endif
#if defined(__FLT_EVAL_METHOD__) && __FLT_EVAL_METHOD__ != 0
#error "build Nest Plug's core with single precision kept (32-bit x86: -msse2 -mfpmath=sse)"
#endif

/* low -> -1, rest -> 0, high -> 1 in two straight pieces, clamped; any raw value, any range.  A
 * side without width gives 0.  low >= high gives 0. */
float np_number_normal(int32_t low, int32_t rest, int32_t high, int32_t raw);

/* The middle of a range: where an axis rests whose sheet does not say.  0..255 gives 128. */
int32_t np_number_middle(int32_t low, int32_t high);

/* --- texts (text.c) -----------------------------------------------------------------------------
 */

/* Without stdio: for the log and for names. */

/* A text being put together in a buffer; always ended by 0 where the buffer has any room, and cut
 * where it is too small.  `length` counts what it would have been uncut. */
typedef struct np_text {
    char *buffer;
    size_t size, length;
} np_text;

np_text np_text_in(char *buffer, size_t size);
void np_text_add(np_text *text, const char *more);
void np_text_add_bytes(np_text *text, const char *more, size_t count);
void np_text_add_number(np_text *text, uint64_t number);
void np_text_add_hex(np_text *text, uint64_t number, unsigned digits);

/* How far apart two words are (insertions, deletions, changes), at most `worst`; words longer than
 * 40 bytes are never near. */
unsigned np_text_distance(const char *a, size_t a_length, const char *b, size_t b_length,
                          unsigned worst);

/* --- digests (hash.c) ---------------------------------------------------------------------------
 */

/* FNV-1a, 64 bits: start with NP_HASH_START and put in bytes. */
#define NP_HASH_START UINT64_C(0xcbf29ce484222325)
uint64_t np_hash(uint64_t hash, const void *bytes, size_t count);

/* Values are mixed in one by one as numbers of 64 bits, never struct memory. */
typedef struct np_digest {
    uint64_t hash;
} np_digest;

void np_digest_u64(np_digest *digest, uint64_t value);
void np_digest_float(np_digest *digest, float value);

/* --- timers (timers.c) --------------------------------------------------------------------------
 */

/* One queue of timers, earliest first. */
/* Who set a timer, and so who hears it. */
typedef enum np_timer_kind {
    NP_TIMER_HOLD = 1,      /* gestures: a press has lasted; a = player, b = binding */
    NP_TIMER_BOUNCE = 2,    /* devices: a button has bounced; b = signal */
    NP_TIMER_CALIBRATE = 3, /* calibration: the next sample */
    NP_TIMER_TAP = 4,       /* gestures: no further tap came; a = player, b = source */
    NP_TIMER_PICK = 5,      /* pick: nothing was picked in time */
    NP_TIMER_WOBBLE = 6,    /* devices: it did not come back; b = device */
    NP_TIMER_WAIT = 7,      /* players: nobody waits any longer; b = device */
    NP_TIMER_CONTEST = 8,   /* active: whether a movement has won; a = player, b = device */
    NP_TIMER_LOOK = 9,      /* active: what is being moved */
    NP_TIMER_EFFECT = 10    /* effects: a rumble is over; b = device */
} np_timer_kind;

typedef struct np_timer {
    nplug_time due;
    uint32_t order; /* of two that fall due together, looks come last, and else what was set last */
    uint16_t kind, a;
    uint32_t b;
} np_timer;

typedef struct np_timers {
    np_timer *heap;
    uint32_t size, count, order;
} np_timers;

void np_timers_layout(np_timers *timers, np_arena *arena, uint32_t size);

/* Sets a timer; false where there is no room. */
bool np_timers_set(np_timers *timers, nplug_time due, np_timer_kind kind, uint32_t a, uint32_t b);

/* Takes a timer out before it fell due; false where it is not there. */
bool np_timers_cancel(np_timers *timers, np_timer_kind kind, uint32_t a, uint32_t b);

/* Whether a timer is set. */
bool np_timers_waits(const np_timers *timers, np_timer_kind kind, uint32_t a, uint32_t b);

/* The time of the earliest timer; UINT64_MAX where there is none. */
nplug_time np_timers_next(const np_timers *timers);

/* Takes the earliest timer out. */
np_timer np_timers_take(np_timers *timers);

/* --- commands that wait (queue.c) ---------------------------------------------------------------
 */

typedef struct np_queue {
    nplug_command *list;
    uint32_t size, first, count;
} np_queue;

void np_queue_layout(np_queue *queue, np_arena *arena, uint32_t size);

/* false where there is no room. */
bool np_queue_put(np_queue *queue, const nplug_command *command);

/* Takes the oldest command; false where there is none. */
bool np_queue_take(np_queue *queue, nplug_command *command);

/* --- what rooms say (out.c) ---------------------------------------------------------------------
 */

/* Events of the step, kept until the next one. */
typedef struct np_events {
    nplug_event *list;
    uint32_t size, count;
    uint32_t room;     /* up to here, any event finds room */
    uint32_t left_out; /* of this step */
    uint64_t dropped;  /* since the start */
    nplug_event lost;  /* the last one that found no room */
} np_events;

/* All that a room may say beyond its own struct: events for the game, timers and commands for the
 * corridor, lines for the log. */
typedef struct np_out {
    np_events events;
    np_timers timers;
    np_queue outbox; /* commands that are applied before the next group of reports */
    nplug_log log;
    void *log_user;
    uint32_t logged; /* what the log was told once already: a bit by np_once */
} np_out;

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

void np_out_layout(np_out *out, np_arena *arena, const nplug_limits *limits);

/* A step begins: the last one's events are forgotten. */
void np_out_begin(np_out *out);

/* It ends: once a step, events that were left out are told. */
void np_out_end(np_out *out, nplug_time time);

/* A new event with its first fields set, all else 0, for its maker to fill in.  The last quarter is
 * kept for arrivals, departures, joins and leaves; one that finds no room is counted, and what is
 * filled in is lost. */
nplug_event *np_out_event(np_out *out, nplug_time time, nplug_event_kind kind, nplug_device device,
                          nplug_player player);

/* Whether the next group of reports, with all that it may bring, is sure to find room for what must
 * not be left out. */
bool np_out_has_room(const np_out *out);

/* A timer is set; where there is no room, that is said at `time`: false. */
bool np_out_timer(np_out *out, nplug_time due, np_timer_kind kind, uint32_t a, uint32_t b,
                  nplug_time time);

/* A command for the corridor. */
void np_out_command(np_out *out, const nplug_command *command, nplug_time time);

/* A line for the log. */
void np_out_line(const np_out *out, const char *line);

/* Whether this is the first time. */
bool np_out_is_new(np_out *out, np_once what);

/* "TEXT NUMBER", the first time for each `what`. */
void np_out_once(np_out *out, np_once what, const char *text, uint64_t number);

/* A limit was reached: an event, and a line in the log the first time. */
void np_out_limit(np_out *out, nplug_limit limit, nplug_time time);

#endif
