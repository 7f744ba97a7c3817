/* Players: who has a seat, and which devices each one hears. */
#ifndef NESTPLUG_PLAYER_H
#define NESTPLUG_PLAYER_H

#include "base.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The most players that a nest may be opened for. */
#define NPLUG_PLAYERS_MAX 16u

/* Gives a device (with all that belongs to its set: keyboards and mice are one desk) to a player,
 * in place of whoever had it, at the next step; the player has a seat from then on.  What was held
 * is let go of, marked cancelled, and reads as at rest until it has been at rest.
 * NPLUG_ERR_ARGUMENT: no such player; NPLUG_ERR_STALE, NPLUG_ERR_UNKNOWN, NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_claim(nplug_nest *nest, nplug_device device, nplug_player player);

/* Takes a device away from everyone who hears it, at the next step; errors as nplug_claim. */
NPLUG_API nplug_result nplug_yield(nplug_nest *nest, nplug_device device);

/* A player leaves at the next step: yields all devices and the seat.  NPLUG_ERR_ARGUMENT,
 * NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_leave(nplug_nest *nest, nplug_player player);

/* Whether a player has a seat; also while all of the player's devices are gone. */
NPLUG_API bool nplug_seated(const nplug_nest *nest, nplug_player player);

/* How many devices that are here a player hears; of NPLUG_ANYONE, how many are unclaimed. */
NPLUG_API uint32_t nplug_player_devices(const nplug_nest *nest, nplug_player player);

#ifdef __cplusplus
}
#endif
#endif
