/* Devices: which are here, how each was recognised, and the value of each control. */
#ifndef NESTPLUG_DEVICE_H
#define NESTPLUG_DEVICE_H

#include "control.h"
#include "report.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The longest texts that are kept, terminating 0 included; longer ones are cut at a character. */
#define NPLUG_NAME_SIZE 48

/* How a device was recognised, from the surest way to the least sure. */
typedef enum nplug_matched {
    NPLUG_MATCHED_NONE = 0,    /* not recognised: its signals can be read, it has no controls */
    NPLUG_MATCHED_NUMBERS = 1, /* by bus, vendor and product */
    NPLUG_MATCHED_NO_BUS = 2,  /* by vendor and product, whatever the bus */
    NPLUG_MATCHED_VENDOR = 3,  /* its prints by vendor and kind, its wires as below */
    NPLUG_MATCHED_CODES = 4,   /* by the open codes that the system gives to such devices */
    NPLUG_MATCHED_USAGES = 5,  /* by its HID usages */
    NPLUG_MATCHED_SHAPE = 6 /* by how many axes and buttons it has and where they rest: a guess */
} nplug_matched;

/* Everything that is known of a device. */
typedef struct nplug_device_facts {
    uint32_t size; /* sizeof(nplug_device_facts), set by the caller */
    nplug_device device;
    char name[NPLUG_NAME_SIZE]; /* its own name: always valid UTF-8 (RFC 3629) without control
                                   characters; '?' stands for each byte that was not */
    const char *family; /* devices of one family have the same prints; static or the sheet's; ""
                           where its prints are not known */
    const char *sheet;  /* the name of the sheet of its wires; "" where there is none */
    nplug_time last;    /* when it last said anything, its arrival included */
    uint32_t kind;      /* an nplug_device_kind */
    uint32_t matched;   /* an nplug_matched */
    uint32_t times;     /* an nplug_time_source: how good its times are */
    uint32_t signals, controls; /* how many */
    uint32_t players;           /* bit 0 is player 1; 0 while nobody has claimed it */
    uint16_t bus, vendor, product, version;
    nplug_device duplicate;  /* another device that moves together with it; 0 for none */
    int32_t battery_percent; /* -1 where nobody knows */
    bool charging;
    bool present;    /* false once it has gone */
    bool resyncing;  /* reports were dropped and a resync is under way */
    bool unreadable; /* it is there, but may not be read: a matter of permissions */
    bool ignored;    /* by nplug_ignore */
    bool asleep;     /* it is connected, and silent until it wakes: the headset is off, say */
    bool rumbles;    /* it has motors that nplug_rumble moves */
    bool lights;     /* it has lights that say whose it is */
} nplug_device_facts;

/* How many devices are here. */
NPLUG_API uint32_t nplug_device_count(const nplug_nest *nest);

/* The devices that are here, by index from 0 up to nplug_device_count, in order of arrival; 0 past
 * the end. */
NPLUG_API nplug_device nplug_device_at(const nplug_nest *nest, uint32_t index);

/* Fills *info.  Works for a device that has gone (`present` is false) until its place is given
 * away: NPLUG_ERR_STALE then; NPLUG_ERR_UNKNOWN for a number that never was a handle. */
NPLUG_API nplug_result nplug_device_info(const nplug_nest *nest, nplug_device device,
                                         nplug_device_facts *info);

/* One raw signal.
 *
 * A device may have several nodes. Its port announces each by itself, and together they are one
 * piece of hardware (a pad, its motion sensors, its touch pad).  Nodes are one device where the
 * port says so, or where vendor and product are the same and serial number or socket agree and
 * neither differs; but two that could each be a device (a keyboard and a mouse, two pads) stay two.
 * A sheet reads the chief node, the one that decides the device's kind, unless it names another
 * one. Motion sensors and touch pads beside the chief node are read by sheets of their own; their
 * values never count as use of the device. */
typedef struct nplug_signal_facts {
    uint32_t size;  /* sizeof(nplug_signal_facts), set by the caller */
    uint32_t space; /* an nplug_space */
    uint32_t code;
    uint32_t nature; /* an nplug_nature */
    int32_t min, max;
    int32_t raw; /* the last value it said, or its rest while it has said nothing; of a delta the
                    sum since the device came, modulo 2^32 */
    int32_t flat, fuzz,
        resolution;     /* as the hardware says, see nplug_report; 0 where it does not */
    uint32_t node;      /* which of the device's nodes, from 0 in order of arrival */
    uint32_t node_kind; /* an nplug_device_kind: that of the node by itself */
    bool heard;         /* it has said something */
    bool read;          /* a control reads it */
    bool chief;         /* it belongs to the chief node */
    bool reserved;      /* false */
} nplug_signal_facts;

/* Fills *info for signal `index` of a device that is here; NPLUG_ERR_STALE, NPLUG_ERR_UNKNOWN. */
NPLUG_API nplug_result nplug_signal_info(const nplug_nest *nest, nplug_device device,
                                         uint32_t index, nplug_signal_facts *info);

/* How many controls a signal feeds: 0 where the device or the signal is none. */
NPLUG_API uint32_t nplug_signal_control_count(const nplug_nest *nest, nplug_device device,
                                              uint32_t index);

/* The controls that a signal feeds, by `nth` from 0 (a hat feeds two sides of a d-pad); 0 past the
 * last, and where the device or the signal is none. */
NPLUG_API nplug_control nplug_signal_control_at(const nplug_nest *nest, nplug_device device,
                                                uint32_t index, uint32_t nth);

/* No signal. */
#define NPLUG_NO_SIGNAL 0xffffffffu

/* One control. */
typedef struct nplug_control_facts {
    uint32_t size; /* sizeof(nplug_control_facts), set by the caller */
    nplug_control control;
    uint16_t nature;     /* an nplug_nature */
    uint32_t components; /* 1 or 2; 3 of a sensor, 7 of a pose */
    nplug_vec2 value;    /* normalised, at the last step; of a delta, moved in the last step */
    uint32_t signal[2];  /* which signal feeds each component, the first of several (see
                            nplug_signal_control_at); NPLUG_NO_SIGNAL for none */
    bool down;           /* past its press threshold */
    bool spent;          /* players see 0 until it has been released once: see player.h */
    bool lever;          /* it has no rest: it stays where it is put */
    bool square;         /* a stick whose corners reach 1, 1; else they stay within the circle */
    bool guess;          /* which control it is is a guess: no code or print says so */
    bool lies;           /* it rests elsewhere than its sheet expects, since it lay there when it
                            came */
    bool reserved[6];    /* false */
    const char *print;   /* its print, by the sheet; "" where no sheet says */
} nplug_control_facts;

/* Fills *info for control `index` (from 0) of a device; errors as nplug_signal_info. */
NPLUG_API nplug_result nplug_control_info(const nplug_nest *nest, nplug_device device,
                                          uint32_t index, nplug_control_facts *info);

/* The normalised value of a device's control now, for games that poll hardware: (0, 0) where the
 * device has gone or has no such control. */
NPLUG_API nplug_vec2 nplug_control_value(const nplug_nest *nest, nplug_device device,
                                         nplug_control control);

/* Where a device's control is and how it is turned: NPLUG_ERR_UNKNOWN where the device has no such
 * control or it is no pose, else as nplug_signal_info. */
NPLUG_API nplug_result nplug_control_pose(const nplug_nest *nest, nplug_device device,
                                          nplug_control control, nplug_pose *pose);

/* The present value of a device's motion sensor: turn rate in rad/s about x, y and z, without what
 * the sensor says while its device lies still (see calibrate.h), or acceleration in m/s^2 along
 * them (at rest it is gravity's), in the order and the directions of the hardware; three numbers.
 * What a pad's motion means for a game is NPLUG_PAD_TURN, _ROLL and _TILT, which actions take.  By
 * the resolution that the system gives (Linux kernel, event-codes.rst, INPUT_PROP_ACCELEROMETER:
 * counts a g, and a degree a second).  Errors as nplug_control_pose. */
NPLUG_API nplug_result nplug_control_sensor(const nplug_nest *nest, nplug_device device,
                                            nplug_control control, float value[3]);

/* The print of a device's control, by its sheet ("A", "anchor"): static or the sheet's;
 * "" where nobody knows. */
NPLUG_API const char *nplug_control_print(const nplug_nest *nest, nplug_device device,
                                          nplug_control control);

/* The parts of a rule by which a device may be recognised, in the order of their weight. */
typedef enum nplug_rule_field {
    NPLUG_RULE_FIELD_PRODUCT = 0,
    NPLUG_RULE_FIELD_VENDOR,
    NPLUG_RULE_FIELD_VERSION,
    NPLUG_RULE_FIELD_BUS,
    NPLUG_RULE_FIELD_KIND,
    NPLUG_RULE_FIELD_SPACE,
    NPLUG_RULE_FIELD_HAS,
    NPLUG_RULE_FIELD_LACKS,
    NPLUG_RULE_FIELD_AXIS, /* an axis whose fuzz and flat are as the rule says */
    NPLUG_RULE_FIELD_NONE  /* as an answer: all fit */
} nplug_rule_field;

/* A rule that is in force, held against a device. */
typedef struct nplug_rule_facts {
    uint32_t size;                   /* sizeof(nplug_rule_facts), set by the caller */
    uint32_t rule;                   /* which of its sheet's rules, from 0 */
    const struct nplug_sheet *sheet; /* whose rule it is: see sheet.h */
    uint32_t misfit;                 /* an nplug_rule_field: the first that does not fit */
    uint32_t code;                   /* of HAS, LACKS and AXIS: the code of the signal */
    uint32_t looks;                  /* an nplug_device_kind: the device's, by its signals alone */
    uint16_t space;                  /* an nplug_space: the code space of most of them */
    bool gives_wires;                /* the wires are this sheet's */
    bool gives_prints;               /* the prints are this sheet's */
} nplug_rule_facts;

/* Holds rule `index` (from 0) of all that are in force against a device; errors as
 * nplug_signal_info. */
NPLUG_API nplug_result nplug_rule_info(const nplug_nest *nest, nplug_device device, uint32_t index,
                                       nplug_rule_facts *info);

/* One step of an explanation. */
typedef struct nplug_reason {
    uint32_t size;     /* sizeof(nplug_reason) */
    const char *sheet; /* of a rule: its sheet's name; else "" */
    uint32_t rule;     /* of a rule: which of its sheet's, from 0 */
    bool fits;         /* of a rule: whether all that it names holds */
    bool wins;         /* of a rule that fits: whether its sheet was taken */
    const char *text;  /* a sentence, UTF-8, valid during the call only */
} nplug_reason;

/* Hears an explanation, step by step. */
typedef void (*nplug_hear)(void *user, const nplug_reason *reason);

/* Says why a device was or was not recognised: its kind by its signals, each rule that could have
 * fitted and the numbers that the rule compared, the controls that its signals became, and the next
 * thing to do.  Errors as nplug_signal_info. */
NPLUG_API nplug_result nplug_explain(const nplug_nest *nest, nplug_device device, nplug_hear hear,
                                     void *user);

/* The word for a way of being recognised ("vendor and product"): static, never NULL. */
NPLUG_API const char *nplug_matched_name(uint32_t matched);

/* Says what is printed on a key (a HID usage of page 0x07) in the person's layout: writes UTF-8
 * with a terminating 0, returns its length, 0 where not known. */
typedef size_t (*nplug_key_labels)(void *user, uint16_t usage, char *buffer, size_t size);

/* From the next step on, labels of keys are asked of `labels` and only then of their ports, for
 * prompts and for bindings by print (key-label:z): nplug_keymap_label, or the window system's.
 * Called again, also with the same ones, where the person's layout changed; NULL for the ports'
 * own.  `user` stays valid until then, or until the nest closes.  NPLUG_ERR_ARGUMENT. */
NPLUG_API nplug_result nplug_use_key_labels(nplug_nest *nest, nplug_key_labels labels, void *user);

/* The print of a device's key in the person's layout, by nplug_use_key_labels or its port; the W3C
 * code ("KeyW") where neither knows.  Writes UTF-8 with a terminating 0, returns its length;
 * 0 (and "") where the device or the key is none. */
NPLUG_API size_t nplug_key_label(const nplug_nest *nest, nplug_device device, nplug_control key,
                                 char *buffer, size_t size);

/* Shows on a device's own lights whose it is, at the next step: a player, or NPLUG_NOBODY to put
 * them out.  A device without lights, or one that may not be written to, does nothing.  Errors as
 * nplug_rumble. */
NPLUG_API nplug_result nplug_show_player(nplug_nest *nest, nplug_device device,
                                         nplug_player player);

/* From the next step on, nobody hears a device (it stays here, and can be read); or somebody may
 * again.  For the one of two twins that is not wanted.  Errors as nplug_rumble. */
NPLUG_API nplug_result nplug_ignore(nplug_nest *nest, nplug_device device, bool on);

/* From the next step on, devices of these kinds (bit by nplug_device_kind; 0: none) are not heard,
 * for a game whose own interface has the mouse or the keyboard for a while.  Their presses are
 * released, marked cancelled; a control that is held when they are heard again has to be released
 * first.  Their controls can still be read.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_mute(nplug_nest *nest, uint32_t kinds);

/* The longest that one rumble lasts, in milliseconds. */
#define NPLUG_RUMBLE_MS_MAX 60000u

/* Rumbles a device from the next step on, in place of all that plays or waits there: magnitudes of
 * the strong (low) and the weak (high) motor, 0 to 1 (more is 1), for that many milliseconds; both
 * 0 stops it.  A device that cannot rumble does nothing: nplug_device_facts.rumbles tells.  What
 * plays ends by itself, when its device goes or falls asleep, and when the game loses the focus
 * (but of kinds that are heard without: nplug_game.unfocused_kinds).  NPLUG_ERR_ARGUMENT: a
 * magnitude that is negative or none, or more than NPLUG_RUMBLE_MS_MAX milliseconds, or a rumble of
 * 0; NPLUG_ERR_STALE, NPLUG_ERR_UNKNOWN, NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_rumble(nplug_nest *nest, nplug_device device, float strong, float weak,
                                    uint32_t ms);

/* Likewise, when all that was asked of the device before is over: a row of rumbles, of which both
 * magnitudes 0 is a rest.  16 of all devices play and wait together; of one more, an event
 * (NPLUG_LIMIT_EFFECTS) and the log say that it is left out. */
NPLUG_API nplug_result nplug_rumble_after(nplug_nest *nest, nplug_device device, float strong,
                                          float weak, uint32_t ms);

/* From the next step on nothing rumbles, for a game that pauses: what plays ends, what waits is
 * forgotten, what is asked for is left out; or it may again.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_FULL.
 */
NPLUG_API nplug_result nplug_pause_rumble(nplug_nest *nest, bool on);

/* The word for a number of an nplug_rule_field: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_rule_field_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
