/* Where a command's hardware comes from: --port linux, sim:TRACE or trace:TRACE. */
#ifndef TOOL_HARDWARE_H
#define TOOL_HARDWARE_H

#include "live.h"
#include "tool.h"

/* A nest with one port, and how it goes on. */
typedef struct hardware {
    nplug_nest *nest;
    nplug_trace *trace;
    nplug_notes notes;
    nplug_sim *sim; /* NULL where a recorded trace is replayed */
    nplug_linux *real;
    void *labels;     /* with linux: of keys, where the environment names their layout */
    void *headset;    /* with openxr: that port's block */
    live *live;       /* with sim:- */
    nplug_time begun; /* with sim:-: the clock's time of the nest's 0 */
    nplug_replay replay;
    double seconds; /* set before opening: how long real hardware is read; 0: until interrupted */
    char *sheet, *model, *settings, *controller; /* set before opening: files; freed by
                                                    hardware_close */
    char *game_path; /* likewise: a game file in place of the harbour's game */
    nplug_game_file *game_file;
    nplug_settings *kept;
    nplug_sheet_file *sheet_file;
    nplug_model_file *model_file;
    nplug_controller_file *controller_file;
    const nplug_game *game; /* set before opening: another game than the harbour's; NULL: that */
    nplug_game demo;        /* with hardware_open_demo: that other game */
    bool any_game;          /* set before opening: a trace of another game will do */
    nplug_time now, end;    /* of simulated hardware: the next step's time, and the last one's */
    nplug_time interval;    /* between two steps */
    unsigned rate;          /* steps a second */
    uint64_t steps;         /* taken so far */
    bool differs;           /* recorded with another game */
    nplug_result stopped;   /* what ended the run: NPLUG_OK at its natural end */
} hardware;

/* In place of a time that the person did not give. */
#define HARDWARE_NO_TIME (-1e9)

/* Returns -1 where an option's seconds are 0 or more, or were not given; or TOOL_USAGE, said why.
 */
int hardware_check_time(const tool_command *command, const char *option, double seconds);

/* The words of --port's help. */
#define HARDWARE_PORT_HELP                                                                         \
    "Where the hardware is: linux reads what is plugged in, openxr hands and a headset, "          \
    "sim:TRACE plays a trace written by "                                                          \
    "hand, sim:- what comes on standard input (a move a line), trace:TRACE replays a recorded one"
#define HARDWARE_SHEET_HELP      "A sheet to add: it wins over the built-in ones"
#define HARDWARE_SETTINGS_HELP   "A player's settings: calibrations, and sheets that were learnt"
#define HARDWARE_GAME_HELP       "A game file whose actions are played, in place of the demo's"
#define HARDWARE_MODEL_HELP      "A simulated model to add, for the trace to plug in"
#define HARDWARE_CONTROLLER_HELP "With --port openxr: a sort of controllers beside the simple ones"
#define HARDWARE_FOR_HELP        "With --port linux: end after so long (default: when interrupted)"

/* The files that a command may be given, for a table of options. */
#define HARDWARE_FILES(hw)                                                                         \
    {"game", 0, POPT_ARG_STRING, &(hw).game_path, 0, HARDWARE_GAME_HELP, "FILE"},                  \
        {"sheet", 0, POPT_ARG_STRING, &(hw).sheet, 0, HARDWARE_SHEET_HELP, "FILE"},                \
        {"controller", 0, POPT_ARG_STRING, &(hw).controller, 0, HARDWARE_CONTROLLER_HELP, "FILE"}, \
    {                                                                                              \
        "model", 0, POPT_ARG_STRING, &(hw).model, 0, HARDWARE_MODEL_HELP, "FILE"                   \
    }

/* Opens; all of *hardware but what is said to be set before is set anew.  `rate` is steps a second,
 * `records` as in nplug_limits.  Returns -1, or the status to end with (said why). */
int hardware_open(hardware *hardware, const tool_command *command, const char *port, unsigned rate,
                  uint32_t records);

/* As hardware_open, with a trace file, whether it was written by hand or recorded. */
int hardware_open_trace(hardware *hardware, const char *path, unsigned rate);

/* As hardware_open, with the demo's trace, which is compiled in. */
int hardware_open_demo(hardware *hardware, unsigned rate);

/* Takes the next step; false at the end. */
bool hardware_next(hardware *hardware);

/* Says what could not be done, closes, and returns the status to end with. */
int hardware_close(hardware *hardware);

/* A device that is here, by its id (as `devices` shows it, hexadecimal), its sheet's name or its
 * own; 0 where there is none. */
nplug_device hardware_find(const nplug_nest *nest, const char *wanted);

/* A device's name with its place in the order of arrival, to tell two of a sort apart. */
void hardware_name(const nplug_nest *nest, nplug_device device, char *buffer, size_t size);

#endif
