/* Ports: all that the writer of a port needs to include. */
#ifndef NESTPLUG_PORT_H
#define NESTPLUG_PORT_H

#include "control.h"
#include "report.h"
#include "trace.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The sorts of effect that go back to the hardware. */
typedef enum nplug_effect_kind {
    NPLUG_EFFECT_RUMBLE = 0, /* strong, weak, duration_ms */
    NPLUG_EFFECT_LIGHTS = 1  /* player: the lights show whose it is; 0 puts them out */
} nplug_effect_kind;

typedef struct nplug_effect {
    uint32_t device;      /* the port's own number */
    uint32_t kind;        /* an nplug_effect_kind */
    float strong, weak;   /* rumble magnitudes in [0, 1]; both 0 stops it */
    uint32_t duration_ms; /* how long, in milliseconds */
    uint32_t player;
} nplug_effect;

/* A port: a thin layer to one source of hardware.  It turns the hardware's messages into reports in
 * the hardware's own numbers, decides nothing, and keeps no state that the core could keep.  Any
 * function but `start` may be NULL.  All are called on the nest's thread. */
typedef struct nplug_port {
    uint32_t size;     /* sizeof(nplug_port) */
    uint32_t lossless; /* 1: its reports may never be dropped, and it waits where its ring is full:
                          for replaying; else 0 */
    const char *name;  /* one word, for messages; static */

    /* Begins.  `ring` is this port's own, valid until `stop`. */
    nplug_result (*start)(void *self, nplug_ring *ring);

    /* Called at the head of each step: pushes everything that has happened up to `now`.  NULL for a
     * port that pushes from a thread of its own. */
    void (*pump)(void *self, nplug_time now);

    /* Asks for the present state of a device: the port pushes RESYNC_BEGIN, the value of each
     * signal that is not at rest, and RESYNC_END, now or later. */
    void (*resync)(void *self, uint32_t device);

    /* Plays an effect; a device that cannot simply does not. */
    void (*effect)(void *self, const nplug_effect *effect);

    /* Ends, as the port is detached or the nest closes: no push after this returns, and the ring is
     * no longer valid. */
    void (*stop)(void *self);

    /* The print of a key (a HID usage of page 0x07) in the person's layout: writes UTF-8
     * with a terminating 0, returns its length, 0 where not known. */
    size_t (*key_label)(void *self, uint16_t usage, char *buffer, size_t size);
} nplug_port;

/* Attaches a port and starts it, at any time.  `port` is copied; `self` stays the caller's and
 * valid until it is detached or the nest closes.  Returns what the port's start returned, and the
 * port is attached only where that is NPLUG_OK; NPLUG_ERR_FULL for one port too many;
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE.  The library's own ports have a call each:
 * nplug_linux_attach, nplug_window_attach, nplug_sim_attach, nplug_replay_attach. */
NPLUG_API nplug_result nplug_attach(nplug_nest *nest, const nplug_port *port, void *self);

/* Stops the port that was attached with this `self`; `self` is the caller's again at once.  What
 * the port has pushed is still taken, and then all of its devices depart, at the next step.  Its
 * place is free after that.  NPLUG_ERR_UNKNOWN: no port is attached with it; NPLUG_ERR_ARGUMENT. */
NPLUG_API nplug_result nplug_detach(nplug_nest *nest, void *self);

/* The word for a number of an nplug_effect_kind: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_effect_kind_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
