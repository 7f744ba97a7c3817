/* Sheets: data that says how the signals of a sort of device become controls. */
#ifndef NESTPLUG_SHEET_H
#define NESTPLUG_SHEET_H

#include "control.h"
#include "report.h"

#ifdef __cplusplus
extern "C" {
#endif

/* One rule by which a sheet fits a device: all that it names must hold.  Of several rules that fit,
 * the one that names the most telling things wins: product before vendor, version, bus, kind, code
 * space, and then the number of signals named.  0 (and no signals) is: any.  Kind, code space and
 * signals are those of one node: the chief node (see nplug_signal_facts). */
typedef struct nplug_rule {
    uint16_t bus, vendor, product, version; /* as in an arrival's report */
    uint16_t kind;  /* an nplug_device_kind: that of the device by its signals */
    uint16_t space; /* 0, or an nplug_space + 1: the code space that most of its signals have */
    uint16_t has_count, lacks_count;
    const uint32_t *has;   /* codes in that space of signals that it must have */
    const uint32_t *lacks; /* and of those that it must not have */
    uint32_t axis;         /* not 0: the code of an axis of which the hardware says these two, which
                              tells its driver where no number does */
    int32_t fuzz, flat;
} nplug_rule;

/* How a wire reads its signal. */
typedef enum nplug_reading {
    NPLUG_READING_WHOLE = 0,     /* a button, a delta, or an axis with its rest in the middle */
    NPLUG_READING_FROM_LOW = 1,  /* an axis that rests at its low end: [0, 1].  Of a rule that names
                                 no vendor this is what is expected: one that lies at its other end
                                 when it comes, or in the first that its node says, rests there */
    NPLUG_READING_FROM_HIGH = 2, /* an axis that rests at its high end, likewise */
    NPLUG_READING_WHEN_LOW = 3,  /* a button that is down at the low end (one side of a hat) */
    NPLUG_READING_WHEN_HIGH = 4, /* a button that is down at the high end */
    NPLUG_READING_HALF_LOW = 5,  /* from the rest to the low end: [0, 1] (two triggers, one axis) */
    NPLUG_READING_HALF_HIGH = 6, /* from the rest to the high end: [0, 1] */
    NPLUG_READING_ROUND_UP = 7,  /* one side of a round hat (USB HID usage 0x01:0x39): eight places
                                 from its low end clockwise, up first; a value outside is none */
    NPLUG_READING_ROUND_RIGHT = 8,
    NPLUG_READING_ROUND_DOWN = 9,
    NPLUG_READING_ROUND_LEFT = 10,
    NPLUG_READING_ROUND_X = 11, /* a round hat's way to the right: -1, 0 or 1 */
    NPLUG_READING_ROUND_Y = 12, /* and up */
    NPLUG_READING_PRESENT = 13, /* of a contact: it is there */
    NPLUG_READING_SCALED = 14,  /* of a pose: raw / max, not held to [-1, 1] */
    NPLUG_READING_SENSED = 15   /* of a sensor: raw / the signal's resolution, in rad/s or m/s^2 */
} nplug_reading;

/* Flags of a wire. */
enum {
    NPLUG_WIRE_REVERSED = 1,    /* the signal's low end is the control's +1 ("up": "low") */
    NPLUG_WIRE_HAS_REST = 2,    /* `rest` says where it rests, instead of the middle of its range */
    NPLUG_WIRE_HAS_RANGE = 4,   /* `min` and `max` hold, whatever the hardware says */
    NPLUG_WIRE_LEVER = 8,       /* it has no rest: it stays where it is put */
    NPLUG_WIRE_ZERO_FIRST = 16, /* the hardware says 0 until it is first moved, wherever it rests:
                                   0 is rest until it says a value that is neither 0 nor its rest */
    NPLUG_WIRE_SQUARE = 32,     /* of a stick: its corners reach 1, 1 */
    NPLUG_WIRE_GUESS = 64       /* whether it is this control is a guess */
};

/* One wire: which signal feeds which component of which control.  Where several feed one, the
 * strongest of them holds, so an idle one neither doubles another nor overrides it. */
typedef struct nplug_wire {
    nplug_control control;
    uint8_t component; /* 0 is x (or the only one), 1 is y; of a pose 0 to 6, and 7 its
                          tracking, 8 to 10 its velocity, 11 to 13 its turn rate */
    uint8_t space;     /* an nplug_space */
    uint32_t code;
    uint8_t reading;        /* an nplug_reading */
    uint8_t flags;          /* NPLUG_WIRE_... */
    uint8_t node;           /* 0: of the chief node; else an nplug_device_kind: of
                               that one of its other nodes which looks like that */
    uint16_t debounce_ms;   /* how long a button's contact bounces, in milliseconds: a change within
                               that time of an edge is taken at the end of that time */
    int32_t rest, min, max; /* raw */
} nplug_wire;

/* The print of a control. */
typedef struct nplug_print {
    nplug_control control;
    const char *text; /* UTF-8 */
} nplug_print;

/* A sheet.  All pointers are the caller's and stay valid as long as the nest. */
typedef struct nplug_sheet {
    uint32_t size;      /* sizeof(nplug_sheet); of several in a row, all have the same */
    uint32_t kind;      /* an nplug_device_kind */
    const char *name;   /* "heron" */
    const char *family; /* "letters": devices that share prompts; "" where it has none */
    const nplug_rule *rules;
    const nplug_wire *wires; /* none: the sheet tells only prints, and another one the wires */
    const nplug_print *prints;
    uint32_t rule_count, wire_count, print_count;
    uint32_t keys;    /* not 0: a signal of HID usage page 0x07, or of a kernel key code, is that
                         key */
    uint32_t confirm; /* which of the face buttons confirms, as people expect by the prints:
                         NPLUG_PAD_SOUTH (as 0), or NPLUG_PAD_EAST */
    uint32_t rule_size, wire_size, print_size; /* sizeof(nplug_rule) and so on, so that those may
                                                  grow; 0: as in version 0.1 */
} nplug_sheet;

/* Whether two rules (from 0) of two sheets could both fit one device, neither being surer: nobody
 * could say then which sheet holds, so nplug_add_sheets refuses them.  false where there is no such
 * sheet or rule. */
NPLUG_API bool nplug_rules_tie(const nplug_sheet *a, uint32_t rule_a, const nplug_sheet *b,
                               uint32_t rule_b);

/* The sheets that are compiled in, and how many (in *count, never NULL). */
NPLUG_API const nplug_sheet *nplug_builtin_sheets(uint32_t *count);

/* The word for a number of an nplug_reading: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_reading_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
