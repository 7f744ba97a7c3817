/* The content of traces: records (taken reports, commands and steps, which replay exactly) and
 * moves (the doings of hardware, written by hand and played by the sim port). */
#ifndef NESTPLUG_TRACE_H
#define NESTPLUG_TRACE_H

#include "report.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The public calls that change state, as they are recorded.  Part of traces: never renumbered. */
typedef enum nplug_command_kind {
    NPLUG_COMMAND_CLAIM = 1,   /* device, player, number = part (0: all); on: besides others */
    NPLUG_COMMAND_UNCLAIM = 2, /* device; player 0 is everyone who hears it */
    NPLUG_COMMAND_LEAVE = 3,   /* player */
    NPLUG_COMMAND_LAYER = 4,   /* player, number = layer, on */
    NPLUG_COMMAND_RUMBLE = 5,  /* device, strong, weak in 1/65535, number = milliseconds; on: when
                                  what was asked before is over */
    NPLUG_COMMAND_JOIN = 6,    /* inside: device, player 0 (the lowest free seat) */
    NPLUG_COMMAND_CLOCKS = 7,  /* inside: number = port whose clock disagrees */
    NPLUG_COMMAND_LIGHTS = 8,  /* device, player (0: none) */
    NPLUG_COMMAND_IGNORE = 9,  /* device, on */
    NPLUG_COMMAND_CALIBRATE = 10, /* device, number = an nplug_calibrate_mode */
    NPLUG_COMMAND_TEXT = 11,      /* twelve bytes of a text for the command that comes after it:
                                     in device, player and number, the lowest first */
    NPLUG_COMMAND_BIND = 12,      /* player, number = action, on: the text is its bindings; off: the
                                     game's are */
    NPLUG_COMMAND_PICK = 13,      /* player, number = milliseconds, device = bits of kinds,
                                     strong = threshold in 1/65535, control = cancel, on = takes */
    NPLUG_COMMAND_PICK_END = 14,
    NPLUG_COMMAND_COMFORT = 15,  /* player, number = action (65535: all): the text is its comfort */
    NPLUG_COMMAND_MUTE = 16,     /* number = bits of kinds that are muted */
    NPLUG_COMMAND_NOTHING = 17,  /* does nothing */
    NPLUG_COMMAND_SWAP = 18,     /* player, number = the other player */
    NPLUG_COMMAND_FOLLOW = 19,   /* player, device = pin, number = bits of kinds, strong = dwell in
                                    ms, on = only: the text is the family */
    NPLUG_COMMAND_ACTIVE = 20,   /* inside: player, device that was used */
    NPLUG_COMMAND_SURFACE = 21,  /* device, number = width << 16 | height in tenths of a millimetre,
                                    strong, weak, control, on = what is not safe of the left, top,
                                    right and bottom side, in 1/65535 */
    NPLUG_COMMAND_ZONE = 22,     /* number = zone, strong, weak = its move along x and y in 1/32767,
                                    and 32767; control = its scale in 1/8192, on = its opacity in
                                    1/255 and, from the ninth bit up, an nplug_zone_show */
    NPLUG_COMMAND_DOMINANT = 23, /* number = the nplug_device_kind of the dominant hand (0: as it
                                    is), on: it is whichever is used */
    NPLUG_COMMAND_PAUSE_RUMBLE = 24 /* on */
} nplug_command_kind;

/* One command. */
typedef struct nplug_command {
    uint32_t kind; /* an nplug_command_kind */
    nplug_device device;
    nplug_player player;
    uint32_t number;
    uint16_t strong, weak;
    uint16_t control; /* the control whose press made it, or 0 */
    uint16_t on;
} nplug_command;

/* The kinds of record. */
typedef enum nplug_record_kind {
    NPLUG_RECORD_REPORT = 0,  /* a report, as the feed merged it */
    NPLUG_RECORD_COMMAND = 1, /* a command, as it was taken */
    NPLUG_RECORD_STEP = 2     /* the end of a step; all since the last one was taken in it */
} nplug_record_kind;

/* One record: the pieces of a trace that replays exactly. */
typedef struct nplug_record {
    uint8_t kind; /* an nplug_record_kind */
    uint8_t port; /* of a report: which port said it */
    union {
        nplug_report report;
        nplug_command command;
        nplug_time step; /* the time that the step came up to */
    } data;
} nplug_record;

/* The kinds of move of simulated hardware. */
typedef enum nplug_move_kind {
    NPLUG_MOVE_ARRIVE = 0, /* plugs a device of model `what` in, with `serial` and `socket` */
    NPLUG_MOVE_DEPART = 1, /* unplugs it */
    NPLUG_MOVE_PRESS = 2,  /* presses control `what`, for `span` (0: until released) */
    NPLUG_MOVE_RELEASE = 3,
    NPLUG_MOVE_SWEEP = 4,    /* moves control `what` to (x, y) in `span`, evenly */
    NPLUG_MOVE_SIGNAL = 5,   /* the signal of `space` and `code` says `value`, as it is */
    NPLUG_MOVE_END = 6,      /* nothing happens; the trace lasts until here */
    NPLUG_MOVE_CIRCLE = 7,   /* moves a stick round and round at distance x, y times in `span`,
                                counter-clockwise from the right */
    NPLUG_MOVE_FLICK = 8,    /* moves control `what` to (x, y) and back to rest in `span` */
    NPLUG_MOVE_NOISE = 9,    /* for `span`, control `what` trembles by up to x around where it is */
    NPLUG_MOVE_POSE = 10,    /* puts control `what` where `pose` says */
    NPLUG_MOVE_LAYOUT = 11,  /* keyboards have layout `what` from now on: "qwerty", "azerty" or
                                "qwertz" */
    NPLUG_MOVE_BATTERY = 12, /* the device's battery is at x, in [0, 1] */
    NPLUG_MOVE_ROLL = 13,    /* control `what`, which moves without ends (a mouse's "move", its
                                "wheel"), goes on by x, y counts in `span`, evenly */
    NPLUG_MOVE_TOUCH = 14,   /* finger `finger` comes down on a surface at (x, y), goes to (to_x,
                                to_y)   in `span`, evenly, and is lifted there; span 0: it stays at
                                (x,   y)   until "contact-down-N" is released */
    NPLUG_MOVE_ASLEEP = 15,  /* the device falls asleep (x is not 0), or wakes (x is 0) */
} nplug_move_kind;

/* One move of simulated hardware.  Texts are the caller's and are copied when played. */
typedef struct nplug_move {
    nplug_time time; /* when */
    nplug_time span; /* how long, in microseconds */
    uint32_t kind;   /* an nplug_move_kind */
    const char *on;  /* which device, by the name it arrived with */
    const char *what;
    const char *serial, *socket; /* NULL for none */
    float x, y;                  /* physical position: [-1, 1], or [0, 1]; counts of a roll */
    int32_t value;               /* of a signal, in the hardware's numbers */
    uint32_t code;               /* of a signal; in NPLUG_SPACE_PLAIN its index */
    uint32_t space;              /* of a signal's code: an nplug_space */
    const nplug_pose *pose;      /* of a pose; else NULL */
    float to_x, to_y;            /* of a touch: where it ends */
    uint32_t finger;             /* of a touch: from 1 */
} nplug_move;

/* The word for a number of an nplug_record_kind: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_record_kind_name(uint32_t number);

/* The word for a number of an nplug_command_kind: static, never NULL; "unknown" for a number that
 * is none. */
NPLUG_API const char *nplug_command_kind_name(uint32_t number);

/* The word for a number of an nplug_move_kind: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_move_kind_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
