/* Gauges: calibration of single devices, sampled on a timer. */
#ifndef NP_GAUGES_H
#define NP_GAUGES_H

#include "controls.h"
#include "nestplug/calibrate.h"

struct nplug_nest;

#define NP_GAUGES 48

/* One axis that rests somewhere. */
typedef struct np_gauge {
    uint32_t signal;
    int32_t rest, low, high; /* as the sheet and the hardware say */
    int32_t from, to;        /* between which it has been since it last moved, or since measuring */
    int32_t lay;             /* where it lay when it came, or where it is taken to rest for that */
    uint16_t device;
    uint8_t quiet;      /* samples since it last moved */
    uint8_t how;        /* an nplug_calibrate_how: FOLLOW, MEASURE or FIX */
    uint8_t since_came; /* an np_since */
    bool used, found;
} np_gauge;

/* What an axis has done since it came. */
typedef enum np_since {
    NP_SINCE_MOVED = 0, /* somebody moved it, or it said nothing when it came */
    NP_SINCE_LYING,     /* it has lain where it was */
    NP_SINCE_RESTING    /* it lay far off for so long that it is taken to rest there */
} np_since;

typedef struct np_gauges {
    np_gauge list[NP_GAUGES];
    const nplug_calibration *known;
    uint32_t known_count;
    bool follow, ticking; /* devices that come are followed; the timer is set */
    uint32_t steady;      /* samples in a row in which nothing moved or was moved */
} np_gauges;

/* Whether devices that come are followed. */
void np_gauges_begin(np_gauges *gauges, bool follow);

/* A device's controls were made, or are about to go. */
void np_gauges_build(struct nplug_nest *nest, uint32_t device, nplug_time time);
void np_gauges_drop(struct nplug_nest *nest, uint32_t device);

/* A signal was found to rest at its other end. */
void np_gauges_rests(struct nplug_nest *nest, uint32_t signal);

/* A command; and the timer: nothing is said before `silence` ends. */
void np_gauges_take(struct nplug_nest *nest, const nplug_command *command, nplug_time time);
void np_gauges_sample(struct nplug_nest *nest, nplug_time time, nplug_time silence);

#endif
