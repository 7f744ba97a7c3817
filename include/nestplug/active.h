/* The active set: the devices that each player used last, which decide the prompts that a game
 * shows. */
#ifndef NESTPLUG_ACTIVE_H
#define NESTPLUG_ACTIVE_H

#include "control.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The devices that a player used last. Keyboards and mice are one set, the desk; so are two hands
 * and a headset, and a stick with its throttle and pedals; each pad is one for itself.
 *
 * A press (of a button, of a key, of a trigger half way) makes its device's set the active one at
 * once.  A movement does so where the active set is not being moved at that moment; else the
 * movement has to go on for a short time (the dwell) and wins then, whatever the losing set does
 * meanwhile.
 *
 * A movement begins as a stick, a trigger or another axis comes a third of its way (0.35) from its
 * rest, as a lever is pulled as far from where it stood, as a mouse has come 40 counts along x or y
 * without a pause of 100 ms, or as its wheel turns.  Noise, drift, a trigger that rests at not
 * quite 0, repeated keys, poses and a nudged mouse are no movement; nor is a control that is spent
 * (see player.h).
 *
 * Every 100 ms of its time the nest looks at all axes.  An axis that is nearer to its rest than a
 * quarter of its way (0.25), of a set that is not the active one, may begin a movement from then
 * on, until it has begun one or its set becomes the active one.  A movement that has to go on is
 * over at the look that finds all axes of its device near their rest.  When the dwell is over, some
 * axis of the device must be further away, or the mouse and its wheel must not have paused; the
 * pull of a lever goes on by itself.
 *
 * These numbers were chosen.  A third is more than dead zones of games and drift of worn sticks
 * take (0.1 to 0.3), and less than anybody means by a push.  40 counts are 1 mm of a mouse with
 * 1000 counts an inch.  150 ms are longer than a nudge, and shorter than a glance at the prompt.
 *
 * The active set is being moved for the dwell after it became that, and after each press and each
 * beginning of a movement of its own; and while the sum of how far its axes are from their rest is
 * not within 0.1 of the sum at the last look, or was not between the last two looks (since it is
 * the active set).  A stick that merely stands somewhere is not being moved. */
typedef struct nplug_active_set {
    uint32_t size;       /* sizeof(nplug_active_set), set by the caller */
    nplug_device device; /* used last; 0: none yet */
    nplug_time since;    /* when it became the active one */
    const char *family; /* what is printed on it, as in nplug_device_facts, or the pinned one: valid
                           until the next step */
    const char *sheet;  /* the name of its sheet, as in nplug_device_facts */
    uint32_t kind;      /* an nplug_device_kind */
    bool present;       /* false once it has gone */
    bool pinned;        /* by nplug_follow */
    bool reserved[2];   /* false */
} nplug_active_set;

/* Fills *set with the active set of a player, or of NPLUG_NOBODY: of the devices that nobody has
 * claimed.  NPLUG_ERR_ARGUMENT: no such player; NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_active_info(const nplug_nest *nest, nplug_player player,
                                         nplug_active_set *set);

/* How a player's active set follows. */
typedef struct nplug_following {
    uint32_t size;      /* sizeof(nplug_following) */
    uint32_t ignored;   /* bit by nplug_device_kind: using these switches nothing */
    const char *family; /* prompts are of this family, whatever is used, and so stay the same; NULL
                           or "": none */
    nplug_device pin;   /* this one is the active one, whatever is used; 0: none */
    uint16_t dwell_ms;  /* how long a movement has to go on: see nplug_active_set */
    bool only;          /* only the active set drives the player: using another one switches to it,
                           and is spent (see player.h) */
    bool reserved;      /* false */
} nplug_following;

/* Whatever is used, with a dwell of 150 ms. */
static inline nplug_following nplug_following_default(void)
{
    nplug_following following = {(uint32_t)sizeof(nplug_following), 0, NULL, 0, 150, false, false};
    return following;
}

/* As nplug_following_default, as a real symbol: fills as much of *following as `size` bytes hold.
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_following_init(nplug_following *following, uint32_t size);

/* From the next step on, a player's active set follows that way.  Where that changes what the
 * player is shown, an NPLUG_EVENT_ACTIVE says so.  The family is copied; at most 23 bytes.
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE, NPLUG_ERR_FULL; NPLUG_ERR_STALE and NPLUG_ERR_UNKNOWN of the
 * pin. */
NPLUG_API nplug_result nplug_follow(nplug_nest *nest, nplug_player player,
                                    const nplug_following *following);

/* Fills *following with how a player's active set follows since the last step; its family is valid
 * until the next step.  NPLUG_ERR_ARGUMENT: no such player; NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_following_info(const nplug_nest *nest, nplug_player player,
                                            nplug_following *following);

#ifdef __cplusplus
}
#endif
#endif
