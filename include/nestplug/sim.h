/* The sim port: simulated hardware, moved by a trace or by calls.  With it, a game's own
 * tests need no hardware. */
#ifndef NESTPLUG_SIM_H
#define NESTPLUG_SIM_H

#include "port.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The longest device name, terminating 0 included. */
#define NPLUG_SIM_NAME_SIZE 32

/* One signal of a model. */
typedef struct nplug_sim_signal {
    uint32_t code;
    int32_t min, rest, max;
    uint8_t space;      /* an nplug_space */
    uint8_t nature;     /* an nplug_nature */
    uint8_t zero_first; /* not 0: says 0 when it comes, wherever it rests */
} nplug_sim_signal;

/* How a physical control of a model moves its signals: at -1, 0 and 1 of `component` the signal
 * says `low`, its rest and `high`, and in between evenly.  The movements of several controls of one
 * signal add up. */
typedef struct nplug_sim_control {
    const char *name; /* without its class: "stick-left" */
    uint16_t signal;
    uint8_t component; /* 0 x, 1 y; of a pose up to 6 */
    uint8_t round;     /* not 0: x and y become one of eight places, clockwise from up at `low` */
    int32_t low, high;
    uint32_t bounce_us; /* microseconds for which a button's contact bounces */
    uint32_t ids;       /* of a touch surface's contact: so many numbers, used in turn from 0 on; 0:
                           always       `high` */
    uint32_t lost;      /* likewise: each so manieth end is never said; 0: all are */
} nplug_sim_control;

/* A model: a sort of simulated device, described as hardware describes itself. */
typedef struct nplug_sim_model {
    const char *name;      /* "heron" */
    const char *device;    /* its own name */
    const char *key_class; /* "key" where controls are keys named by W3C code; else NULL */
    uint16_t bus, vendor, product, version;
    uint16_t signal_count, control_count;
    const nplug_sim_signal *signals;
    const nplug_sim_control *controls;
    nplug_time interval;     /* between two reports of one movement, in microseconds */
    uint8_t rumbles, lights; /* not 0: it has motors, and lights that say whose it is */
} nplug_sim_model;

/* The models that are compiled in, and how many. */
NPLUG_API const nplug_sim_model *nplug_sim_models(uint32_t *count);

/* Simulated hardware. */
typedef struct nplug_sim nplug_sim;

/* How much a sim has room for. */
typedef struct nplug_sim_limits {
    uint32_t devices; /* plugged in at once */
    uint32_t moves;   /* waiting at once: a press with a span, or a sweep, is one */
} nplug_sim_limits;

/* Bytes that a sim needs; 0 where a limit is 0. */
NPLUG_API size_t nplug_sim_memory_needed(nplug_sim_limits limits);

/* Opens a sim in the caller's block (aligned as malloc's); there is nothing to close.  NULL where
 * the block is too small or NULL. */
NPLUG_API nplug_sim *nplug_sim_open(nplug_sim_limits limits, void *block, size_t size);

/* Attaches it to one nest; the block stays the caller's until it is detached or the nest closes.
 * Errors as nplug_attach. */
NPLUG_API nplug_result nplug_sim_attach(nplug_sim *sim, nplug_nest *nest);

/* Its table of functions, for whoever puts a port of their own in front of it. */
NPLUG_API const nplug_port *nplug_sim_port(void);

/* A sim in one call: opened in a block from malloc, with room for 16 devices and 256 moves, and
 * attached.  It lives as long as the nest, which frees it.  NULL on an error: no memory, or no room
 * for one more port. */
NPLUG_API nplug_sim *nplug_sim_start(nplug_nest *nest);

/* Models beside those that are compiled in, before any device of theirs is plugged in; they stay
 * the caller's.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE (a model with too many signals or controls). */
NPLUG_API nplug_result nplug_sim_add_models(nplug_sim *sim, const nplug_sim_model *models,
                                            uint32_t count);

/* Tells the hardware to do something at move->time, in any order of times; moves that are due are
 * done when the nest steps.  Names are copied.  NPLUG_ERR_UNKNOWN: no such model (of an arrival);
 * NPLUG_ERR_ARGUMENT: a name too long or missing; NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_sim_move(nplug_sim *sim, const nplug_move *move);

/* Finds, from *at on, the first of some moves in order of time that could not be done if nothing
 * else were told to the hardware: true, and its place in *at, which of its texts is wrong in
 * *member ("model", "on", "press", ...: as in a trace), and why in *why (static).  false where all
 * can be done. */
NPLUG_API bool nplug_sim_check(const nplug_sim *sim, const nplug_move *moves, size_t count,
                               size_t *at, const char **member, const char **why);

/* Short forms of nplug_sim_move for the commonest moves, with the same errors; `device` is the name
 * that it arrives with.  Plugs in a device of a model, without serial number or socket. */
NPLUG_API nplug_result nplug_sim_plug(nplug_sim *sim, nplug_time time, const char *device,
                                      const char *model);
/* Unplugs it, whatever it holds. */
NPLUG_API nplug_result nplug_sim_unplug(nplug_sim *sim, nplug_time time, const char *device);
/* Presses a control ("south", "KeyW") for `span` microseconds; 0: until released. */
NPLUG_API nplug_result nplug_sim_press(nplug_sim *sim, nplug_time time, const char *device,
                                       const char *control, nplug_time span);
/* Lets go of a control that was pressed with span 0. */
NPLUG_API nplug_result nplug_sim_release(nplug_sim *sim, nplug_time time, const char *device,
                                         const char *control);
/* Moves a control to (x, y) within `span` microseconds. */
NPLUG_API nplug_result nplug_sim_sweep(nplug_sim *sim, nplug_time time, const char *device,
                                       const char *control, nplug_vec2 to, nplug_time span);
/* Moves what moves without ends by (x, y) counts within `span` microseconds: a mouse's "move" (+x
 * right, +y up), or its "wheel" (notches, +y away from the person). */
NPLUG_API nplug_result nplug_sim_roll(nplug_sim *sim, nplug_time time, const char *device,
                                      const char *control, nplug_vec2 by, nplug_time span);

/* A finger (from 1) comes down on a touch surface at `from`, goes to `to` within `span`
 * microseconds, evenly, and is lifted there; span 0: it stays at `from` until nplug_sim_lift.
 * Places are [0, 1] from the surface's top left.  Takes the room of three moves. */
NPLUG_API nplug_result nplug_sim_touch(nplug_sim *sim, nplug_time time, const char *device,
                                       uint32_t finger, nplug_vec2 from, nplug_vec2 to,
                                       nplug_time span);
/* A finger that stays on a surface goes to a place within `span` microseconds, and stays there. */
NPLUG_API nplug_result nplug_sim_drag(nplug_sim *sim, nplug_time time, const char *device,
                                      uint32_t finger, nplug_vec2 to, nplug_time span);
/* A finger that stays on a surface is lifted. */
NPLUG_API nplug_result nplug_sim_lift(nplug_sim *sim, nplug_time time, const char *device,
                                      uint32_t finger);

/* Keyboards have a layout from then on: "qwerty" (as at first), "azerty" or "qwertz". */
NPLUG_API nplug_result nplug_sim_layout(nplug_sim *sim, nplug_time time, const char *layout);

/* Where a control physically is: the truth that a game should see.  (0, 0) where there is no such
 * device or control. */
NPLUG_API nplug_vec2 nplug_sim_position(const nplug_sim *sim, const char *device,
                                        const char *control);

/* The time of the last move or end of move that is still to come; 0 where nothing is. */
NPLUG_API nplug_time nplug_sim_end(const nplug_sim *sim);

/* How many moves could not be done (the device was not there, or its model has no such control),
 * and in *text (may be NULL) the first such story: static until the sim's block goes. */
NPLUG_API uint32_t nplug_sim_failures(const nplug_sim *sim, const char **text);

/* The last effect that a device was given, and how many it was; 0 and {0} where there was none. */
NPLUG_API uint32_t nplug_sim_effects(const nplug_sim *sim, const char *device, nplug_effect *last);

#ifdef __cplusplus
}
#endif
#endif
