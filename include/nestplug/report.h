/* Reports: a port's messages, one fixed slot each, and the ring that carries them. */
#ifndef NESTPLUG_REPORT_H
#define NESTPLUG_REPORT_H

#include "base.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Whose numbers a signal's code has.  The numbers are part of traces and never change. */
typedef enum nplug_space {
    NPLUG_SPACE_PLAIN = 0,  /* counted from 0 */
    NPLUG_SPACE_EVDEV = 1,  /* the Linux kernel's input interface: event type << 16 | code */
    NPLUG_SPACE_HID = 2,    /* USB HID usage: page << 16 | usage */
    NPLUG_SPACE_W3C = 3,    /* the W3C Gamepad standard layout: buttons from 0, axes from 0x100 */
    NPLUG_SPACE_OPENXR = 4, /* paths of OpenXR, numbered by the port's sheet */
    NPLUG_SPACE_ZONE = 5, /* zones of the game on a touch surface: the nest's own, never a port's */
} nplug_space;

/* The kinds of report. The numbers are part of traces and never change. */
typedef enum nplug_report_kind {
    NPLUG_REPORT_VALUE = 0,        /* a signal has the value `data.value` (a delta: moved by it) */
    NPLUG_REPORT_ARRIVE = 1,       /* a device comes: `data.arrive` */
    NPLUG_REPORT_TEXT = 2,         /* 16 more bytes of text `signal` (an nplug_text): `data.text` */
    NPLUG_REPORT_SIGNAL = 3,       /* declares signal `signal`: `data.signal` */
    NPLUG_REPORT_DETAIL = 4,       /* more about signal `signal`: `data.detail` */
    NPLUG_REPORT_READY = 5,        /* the device is complete and may be recognised */
    NPLUG_REPORT_DEPART = 6,       /* the device has gone */
    NPLUG_REPORT_DROPPED = 7,      /* the ring dropped movement of this device */
    NPLUG_REPORT_RESYNC_BEGIN = 8, /* from here to the end mark, values are the present state */
    NPLUG_REPORT_RESYNC_END = 9,   /* signals that were not named between the marks are at rest */
    NPLUG_REPORT_FOCUS = 10,       /* the game's window has the focus: `data.value`, 0 or 1 */
    NPLUG_REPORT_LAYOUT =
        11, /* the prints of keys may have changed: the nest asks the port's key_label again */
    NPLUG_REPORT_BATTERY = 12, /* the device's battery: `data.value` percent, -1 for not known;
                                  `signal` is 1 while it is being charged, else 0 */
    NPLUG_REPORT_LABEL = 13,   /* printed on the key `signal` (its HID usage of page 0x07) is the
                                  letter or digit `data.value` (small, a Unicode code point);
                                  key 0: nothing is known of any key.  The nest says so itself
                                  where it asked a port's key_label */
    NPLUG_REPORT_AWAKE = 14,   /* the device is connected and, where `data.value` is 0, says nothing
                                  of what is done with it: a hand whose headset is off, say.  Not 0:
                                  it does again.  Devices come awake */
} nplug_report_kind;

/* Flags of a report. */
enum {
    NPLUG_REPORT_FLAG_MORE = 1,  /* more of this group follows: one device, one moment */
    NPLUG_REPORT_FLAG_MOVES = 2, /* movement of an axis or a delta: may be dropped when a ring fills
                               up */
    NPLUG_REPORT_FLAG_CANCELLED = 4 /* the system released it, no person did: presses and releases
                                       that the group makes are marked cancelled */
};

/* Properties of a node, as numbered by the Linux kernel (INPUT_PROP_... of input-event-codes.h). */
enum {
    NPLUG_PROPERTY_POINTER = 1 << 0, /* it moves a pointer somewhere else: a touch pad */
    NPLUG_PROPERTY_DIRECT = 1 << 1,  /* it points at the picture under it: a touch screen */
    NPLUG_PROPERTY_BUTTONPAD = 1 << 2,
    NPLUG_PROPERTY_ACCELEROMETER = 1 << 6 /* its axes are motion sensors, in counts of
                                             `resolution` a g, and a degree a second */
};

/* What a node can do for the game: the `signal` of its ARRIVE. */
enum {
    NPLUG_ABILITY_RUMBLE = 1 << 0, /* it plays NPLUG_EFFECT_RUMBLE */
    NPLUG_ABILITY_LIGHTS = 1 << 1  /* it plays NPLUG_EFFECT_LIGHTS */
};

/* The texts that a device may bring. */
typedef enum nplug_text {
    NPLUG_TEXT_NAME = 0,   /* its own name */
    NPLUG_TEXT_SERIAL = 1, /* its serial number, where it has one */
    NPLUG_TEXT_SOCKET = 2, /* where it is plugged in */
    NPLUG_TEXT_UNIT = 3,   /* unit key: equal for the nodes of one piece of hardware, where the port
                              knows; else serial number and socket tell, see nplug_signal_facts */
} nplug_text;

/* How good a device's times are. */
typedef enum nplug_time_source {
    NPLUG_TIME_SOURCE_KERNEL = 0, /* stamped where the hardware was read */
    NPLUG_TIME_SOURCE_SERVER = 1, /* stamped by a window server */
    NPLUG_TIME_SOURCE_FRAME = 2   /* the time of the game's frame */
} nplug_time_source;

/* The largest number that a port may give to a device. */
#define NPLUG_PORT_DEVICE_MAX 0x7ffffu
/* In a STALE report of the ring itself: all of the port's devices. */
#define NPLUG_PORT_DEVICE_ALL 0xffffffffu

/* One report slot: 32 bytes on every target. */
typedef struct nplug_report {
    nplug_time time; /* when the hardware said so, on the ports' clock */
    uint32_t device; /* the port's own number, at most NPLUG_PORT_DEVICE_MAX */
    uint16_t signal; /* which signal (or text), dense from 0; of ARRIVE its NPLUG_ABILITY_... */
    uint8_t kind;    /* an nplug_report_kind */
    uint8_t flags;   /* NPLUG_REPORT_FLAG_MORE, NPLUG_REPORT_FLAG_MOVES */
    union {
        int32_t value; /* in the hardware's own numbers; floats are scaled by the port */
        struct {
            uint16_t bus;     /* as numbered by the Linux kernel's input interface: 3 is USB */
            uint16_t vendor;  /* 0 where unknown */
            uint16_t product; /* 0 where unknown */
            uint16_t version;
            uint16_t signals;    /* how many signals will be declared */
            uint8_t times;       /* an nplug_time_source */
            uint8_t unreadable;  /* not 0: it is there, but may not be read */
            uint32_t properties; /* its properties by the system: 1 << n for property n of the Linux
                                    kernel's input interface (NPLUG_PROPERTY_...) */
        } arrive;
        struct {
            uint32_t code;
            int32_t min, max; /* where no sheet says a rest, an axis that goes both ways rests at
                                 (min + max + 1) / 2, rounded down: 128 of 0 to 255, and the upper
                                 one of two places */
            uint8_t space;    /* an nplug_space */
            uint8_t nature;   /* an nplug_nature */
        } signal;
        struct {
            int32_t flat, fuzz, resolution; /* as the hardware says; 0 where it does not: counts
                                               about the middle that mean nothing, counts of noise,
                                               counts a millimetre (of motion sensors: a g, and a
                                               degree a second) */
        } detail;
        char text[16]; /* UTF-8, filled up with 0 */
    } data;
} nplug_report;

/* A port's ring: one thread pushes, the nest's thread takes. */
typedef struct nplug_ring nplug_ring;

/* The word for a code space ("evdev", "hid"): static, never NULL. */
NPLUG_API const char *nplug_space_name(uint32_t space);

/* Pushes `count` reports at once.  Reports of one group carry NPLUG_REPORT_FLAG_MORE on all but the
 * last; a group may be pushed in pieces, and is taken by the nest only when it is complete.
 *
 * Above three quarters full the ring drops movement alone (reports with NPLUG_REPORT_FLAG_MOVES)
 * and says so to the nest, which then asks the port to resync the device.  A ring with no room left
 * takes nothing of the group, returns NPLUG_ERR_FULL, and the device will be resynced; an arrival
 * or a departure must then be pushed again later.
 * NPLUG_ERR_ARGUMENT: NULL, or a group longer than a quarter of the ring, which is counted and
 * thrown away whole.  Other mistakes are found when the report is taken, counted (nplug_counts),
 * and told in the log once: a group that mixes devices is parted where the device changes, so that
 * nothing is lost; a device number that is too large is nobody's.
 * May be called from the port's own thread, one thread a ring. */
NPLUG_API nplug_result nplug_push(nplug_ring *ring, const nplug_report *reports, size_t count);

/* Pushes a text of a device that is arriving, 16 bytes a report, each a group for itself; `text` is
 * UTF-8, ended by 0, and an empty one pushes nothing.  `which` is an nplug_text.  Result as
 * nplug_push, of the first report that was refused. */
NPLUG_API nplug_result nplug_push_text(nplug_ring *ring, nplug_time time, uint32_t device,
                                       nplug_text which, const char *text);

/* How many more reports the ring takes now; from the pushing thread. */
NPLUG_API size_t nplug_ring_room(const nplug_ring *ring);

/* The word for a number of an nplug_report_kind: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_report_kind_name(uint32_t number);

/* The word for a number of an nplug_text: static, never NULL; "unknown" for a number that is none.
 */
NPLUG_API const char *nplug_text_name(uint32_t number);

/* The word for a number of an nplug_time_source: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_time_source_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
