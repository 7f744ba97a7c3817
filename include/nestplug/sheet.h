/* Sheets: data that says how the signals of a sort of device become controls. */
#ifndef NESTPLUG_SHEET_H
#define NESTPLUG_SHEET_H

#include "control.h"
#include "report.h"

#ifdef __cplusplus
extern "C" {
#endif

/* One rule by which a sheet fits a device.  Numbers as in an arrival's report; bus 0 is any. */
typedef struct nplug_match {
    uint16_t bus, vendor, product;
} nplug_match;

/* How a wire reads its signal. */
typedef enum nplug_reading {
    NPLUG_READ_WHOLE = 0,     /* a button, a delta, or an axis with its rest in the middle */
    NPLUG_READ_FROM_LOW = 1,  /* an axis that rests at its low end: [0, 1] */
    NPLUG_READ_FROM_HIGH = 2, /* an axis that rests at its high end: [0, 1] */
    NPLUG_READ_WHEN_LOW = 3,  /* a button that is down at the low end (one side of a hat) */
    NPLUG_READ_WHEN_HIGH = 4  /* a button that is down at the high end */
} nplug_reading;

/* One wire: which signal feeds which component of which control. */
typedef struct nplug_wire {
    nplug_control control;
    uint8_t component; /* 0 is x (or the only one), 1 is y */
    uint8_t space;     /* an nplug_space */
    uint32_t code;
    uint8_t reading;  /* an nplug_reading */
    uint8_t reversed; /* not 0: the signal's low end is the control's +1 ("up": "low") */
    uint8_t has_rest; /* not 0: `rest` says where it rests, instead of the middle of its range */
    int32_t rest;     /* raw */
} nplug_wire;

/* A sheet.  All pointers are the caller's and stay valid as long as the nest. */
typedef struct nplug_sheet {
    uint32_t size;      /* sizeof(nplug_sheet) */
    const char *name;   /* "heron" */
    const char *family; /* "letters": devices that share prompts; "" where it has none */
    nplug_kind kind;
    uint32_t match_count, wire_count;
    const nplug_match *matches;
    const nplug_wire *wires;
    uint32_t keys; /* not 0: a signal of HID usage page 0x07 is the key of that usage */
} nplug_sheet;

/* The sheets that are compiled in, and how many (in *count, never NULL). */
NPLUG_API const nplug_sheet *nplug_builtin_sheets(uint32_t *count);

#ifdef __cplusplus
}
#endif
#endif
