/* What all suites share: a rig of a nest with simulated hardware, in memory of its own. */
#ifndef TESTS_SUPPORT_H
#define TESTS_SUPPORT_H

#include "listed.h"
#include "nestplug/nestplug.h"

#define MS             UINT64_C(1000)
#define SECOND         UINT64_C(1000000)
#define COUNT_OF(list) (sizeof(list) / sizeof *(list))

/* A nest with the sim port. */
typedef struct test_rig {
    nplug_nest *nest;
    nplug_sim *sim;
    void *nest_block, *sim_block;
    char log[4096]; /* all lines of the log, each ended by a newline */
} test_rig;

/* The harbour's actions, as the tests use them. */
enum { STEER, THROTTLE, HORN, WINCH, LOOK, MENU };
extern const nplug_action_def harbour[6];

nplug_game harbour_for(uint32_t players);

/* Opens a rig for a game (NULL: none) with these limits (NULL: the default ones). */
void rig_open(test_rig *rig, const nplug_game *game, const nplug_limits *limits);
/* As rig_open, with a whole setup but for the log. */
void rig_open_setup(test_rig *rig, const nplug_game *game, nplug_setup setup);
void rig_close(test_rig *rig);

/* Plays moves from a table, all at once. */
void rig_play(test_rig *rig, const nplug_move *moves, size_t count);

/* A signal of the kernel's code space says a value, as it is. */
void rig_say(test_rig *rig, nplug_time time, const char *on, uint32_t code, int32_t value);

/* Steps once. */
void rig_step(test_rig *rig, nplug_time now);

/* A line for each event of the last step, without values: "T KIND device D player P ACTION CONTROL
 * count N FLAGS". */
void rig_events(const test_rig *rig, char *text, size_t size);

/* What queries fill in, as a value. */
nplug_active_set active_of(const nplug_nest *nest, nplug_player player);
nplug_counts counts_of(const nplug_nest *nest);
nplug_pick_facts pick_of(const nplug_nest *nest);
nplug_limits limits_of(const nplug_nest *nest);
nplug_trace_facts trace_of(const nplug_trace *trace);
uint32_t kind_of(const nplug_nest *nest, uint32_t action);

/* The one number that an event has beside those that all have: which press, which other device...
 */
uint64_t rig_number(const nplug_event *event);

/* Whether the last step left an event of this kind; *event (may be NULL) is the first. */
bool rig_saw(const test_rig *rig, nplug_event_kind kind, nplug_event *event);

/* The control of a device by its place among those that are here. */
nplug_vec2 rig_control(const test_rig *rig, uint32_t place, const char *control);

/* What a nest said of itself after each of its steps, and its records. */
typedef struct test_tape {
    nplug_record records[20000];
    size_t count;
    uint64_t digests[200];
    size_t steps;
} test_tape;

/* Notes the last step; and plays all of them to another nest of the same game, whose digests must
 * be the same. */
void tape_note(test_tape *tape, nplug_nest *nest);
void tape_check(const test_tape *tape, const nplug_game *game);

/* A port that pushes what a test hands it, and keeps what it is asked. */
typedef struct hand_port {
    nplug_ring *ring;
    uint32_t resyncs, last_resync, stops;
    nplug_report held[64]; /* pushed at the next pump */
    size_t held_count;
} hand_port;

extern const nplug_port hand_table;

/* Reports. */
nplug_report value_report(nplug_time time, uint32_t device, uint16_t signal, int32_t value,
                          uint8_t flags);
/* Pushes a whole arrival of a Heron pad with a port's number and, where not NULL, texts. */
void push_heron(nplug_ring *ring, nplug_time time, uint32_t device, const char *serial,
                const char *unit);
/* The same for any simulated model. */
void push_model(nplug_ring *ring, nplug_time time, uint32_t device, const char *name,
                const char *serial, const char *unit);
void push_kind(nplug_ring *ring, nplug_time time, uint32_t device, nplug_report_kind kind);

/* Runs a command by the shell; its output (both streams) in `output`, its exit status returned. */
int run(const char *command, char *output, size_t size);

/* Fails, with the first line that differs, where two texts are not the same. */
void check_same(const char *actual, const char *expected, const char *what);

/* Compares a text with a file of the project, or writes the file where NPLUG_GOLDEN=write. */
void check_golden(const char *actual, const char *path);

/* A file's content, ended by 0, from malloc; fails the test where it cannot be read. */
char *slurp(const char *path);

#endif
