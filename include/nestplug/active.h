/* The active set: what each player used last, and so what a game shows. */
#ifndef NESTPLUG_ACTIVE_H
#define NESTPLUG_ACTIVE_H

#include "control.h"

#ifdef __cplusplus
extern "C" {
#endif

/* What a player uses.  Keyboards and mice are one set, the desk; so are two hands and a headset,
 * and a stick with its throttle and pedals; each pad is one for itself.
 *
 * A press makes its device's set the active one at once, and so does a stick, a trigger or another
 * axis that is moved a third of its way from its rest, a mouse that is moved by 40 counts without a
 * pause, and a turn of its wheel.  Noise, drift, a trigger that rests at not quite 0, a lever that
 * stays where it is, repeated keys, poses and a nudged mouse do not.  While the active set is being
 * moved, a movement of another one has to go on for a short time (the dwell) before it wins. */
typedef struct nplug_active_set {
    nplug_device device; /* used last; 0: none yet */
    nplug_kind kind;
    const char *family; /* what is printed on it, as in nplug_device_info; the pinned one if any */
    bool present;       /* false once it has gone */
    bool pinned;        /* by nplug_follow */
    nplug_time since;   /* when it became the active one */
} nplug_active_set;

/* What a player would see now.  Of NPLUG_ANYONE: of the devices that nobody has claimed. */
NPLUG_API nplug_active_set nplug_active(const nplug_nest *nest, nplug_player player);

/* How a player's active set follows. */
typedef struct nplug_following {
    uint32_t size;      /* sizeof(nplug_following) */
    uint32_t ignored;   /* bit by nplug_kind: using these switches nothing */
    nplug_device pin;   /* this one is the active one, whatever is used; 0: none */
    const char *family; /* prompts are of this family, whatever is used; NULL or "": none */
    bool only;          /* only the active set drives the player: using another one switches to it,
                           and does nothing else until it is let go */
    uint32_t dwell_ms;  /* at most 65535 */
} nplug_following;

/* Whatever is used, with a dwell of 150 ms. */
static inline nplug_following nplug_following_default(void)
{
    nplug_following following = {(uint32_t)sizeof(nplug_following), 0, 0, NULL, false, 150};
    return following;
}

/* From the next step on, a player's active set follows that way.  The family is copied; at most 23
 * bytes.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE, NPLUG_ERR_FULL; NPLUG_ERR_STALE and NPLUG_ERR_UNKNOWN
 * of the pin. */
NPLUG_API nplug_result nplug_follow(nplug_nest *nest, nplug_player player,
                                    const nplug_following *following);

#ifdef __cplusplus
}
#endif
#endif
