/* Players: who has a seat, and which devices each one hears. */
#ifndef NESTPLUG_PLAYER_H
#define NESTPLUG_PLAYER_H

#include "control.h"

#ifdef __cplusplus
extern "C" {
#endif

/* A spent control reads as at rest, and presses nothing, until it has been at rest: until each of
 * its numbers has been nearer to rest than a fifth of its way (0.2), or a mouse and its wheel have
 * not moved for 100 ms.  These are spent:
 *   - the press that seats a player or takes over, and the press that answers a pick;
 *   - all controls that are moved while a pick takes;
 *   - the press or movement that only switches to another set (see nplug_following);
 *   - all that is held as a device comes or changes hands, as devices of its kind are muted or
 * heard again, and as the game's window loses or gets the focus. */

/* The most players that a nest may be opened for: who hears a part of a device is 16 bits. */
#define NPLUG_PLAYERS_MAX 16u

/* Gives a device to a player, in place of whoever had it, at the next step, with each other device
 * of its set (keyboards and mice are one desk) that is free, or that the player who loses the
 * device has; the player has a seat from then on.  Its held controls are released, marked
 * cancelled, and spent.  NPLUG_ERR_ARGUMENT: no such player; NPLUG_ERR_STALE, NPLUG_ERR_UNKNOWN,
 * NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_claim(nplug_nest *nest, nplug_device device, nplug_player player);

/* As nplug_claim, of one part of a keyboard (from 1, in the order of the game's parts); part 0 is
 * all of it.  NPLUG_ERR_ARGUMENT also: no such part. */
NPLUG_API nplug_result nplug_claim_part(nplug_nest *nest, nplug_device device, uint32_t part,
                                        nplug_player player);

/* As nplug_claim, but those who hear the device already go on hearing it, and go on holding; the
 * one who comes reads its values at once, and hears presses from the next one on.  It is no whole
 * set. */
NPLUG_API nplug_result nplug_share(nplug_nest *nest, nplug_device device, nplug_player player);

/* Takes a device away from everyone who hears it, at the next step; errors as nplug_claim. */
NPLUG_API nplug_result nplug_unclaim(nplug_nest *nest, nplug_device device);

/* Takes a device away from one player; whoever else hears it goes on, and goes on holding.  Errors
 * as nplug_claim. */
NPLUG_API nplug_result nplug_unclaim_for(nplug_nest *nest, nplug_device device,
                                         nplug_player player);

/* At the next step two players exchange seats: each has from then on the devices that the other
 * had, waits for the devices for which the other waited, and has the bindings and the comfort that
 * the other had set. Both players' held controls are released, marked cancelled; a third player who
 * shares a device goes on holding.  A seat that is free may be one of them: so a player moves.
 * NPLUG_ERR_ARGUMENT: the same or no such player; NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_swap(nplug_nest *nest, nplug_player player, nplug_player other);

/* A player leaves at the next step: all devices of that player and the seat are free.  Whoever sits
 * down there next has what was set for the seat: its own bindings and comfort, what it follows
 * (nplug_follow), the layers that were switched for it, and its zones.  nplug_restore (menu.h)
 * gives it the game's bindings and comfort again; a game that keeps people apart restores a seat
 * when it is left, or loads the new person's profile.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_leave(nplug_nest *nest, nplug_player player);

/* Whether a player has a seat; also while all of the player's devices are gone. */
NPLUG_API bool nplug_player_seated(const nplug_nest *nest, nplug_player player);

/* How many devices that are here a player hears; of NPLUG_NOBODY, how many are unclaimed. */
NPLUG_API uint32_t nplug_player_device_count(const nplug_nest *nest, nplug_player player);

/* Those devices by index from 0, in order of arrival; 0 past the end. */
NPLUG_API nplug_device nplug_player_device_at(const nplug_nest *nest, nplug_player player,
                                              uint32_t index);

/* Who hears a part of a device (from 1; 0: any part, or the whole): bit 0 is player 1.  0 where
 * nobody does, or the device is none. */
NPLUG_API uint32_t nplug_part_players(const nplug_nest *nest, nplug_device device, uint32_t part);

/* Which part of keyboards (from 1) a key is in, or any control of a mouse; 0 for one that is in
 * none, and in a game without parts.  A player's part of one keyboard is the one for which
 * nplug_part_players has that player's bit. */
NPLUG_API uint32_t nplug_control_part(const nplug_nest *nest, nplug_control control);

/* The devices that went while a player heard them and have not come back, by index from 0: the
 * handle of one, 0 past the end.  The same hardware goes back to its player, by serial number where
 * that is the only one of its kind here, else by socket, else where no other player misses the
 * like; of several of one sort that the same players miss, the one that left last comes back first.
 * Two different serial numbers are two pieces of hardware; a different socket tells nothing.  By
 * serial number or socket it may also be known as one that nobody had, which was in that socket
 * last: so it is nobody's.  The nest knows that one until its place (see nplug_limits) is given
 * away, after never used ones the longest gone first, and those that are missed last. */
NPLUG_API nplug_device nplug_missed_at(const nplug_nest *nest, nplug_player player, uint32_t index);

/* How many there are of them. */
NPLUG_API uint32_t nplug_missed_count(const nplug_nest *nest, nplug_player player);

/* Whether a player has a seat, and no device that is here.  A press on any unclaimed device takes
 * over for the player who misses one of the same sort (vendor and product), of several for the one
 * who has waited longest, and else for whoever has waited longest; not where seats are given by
 * call only. One press takes over for one player; for several only where they shared the whole
 * device that went, or the same part of a keyboard.  Of a keyboard with parts, the press takes the
 * part that it is in, and leaves the others whose they are.  Whose devices were taken away by a
 * call, and who misses none, waits for a call that claims one. */
NPLUG_API bool nplug_player_waits(const nplug_nest *nest, nplug_player player);

/* Which hand is the dominant one from the next step on, of which "hand-main:..." is in bindings:
 * NPLUG_KIND_HAND_LEFT, NPLUG_KIND_HAND_RIGHT (as at first), or NPLUG_KIND_UNKNOWN: whichever was
 * pressed last.  Such a press makes the hand the dominant one, and presses nothing by hand-main.
 * What a hand holds as the one that it no longer is, is let go of, marked cancelled; what it holds
 * by hand: or by its side stays.  One hand alone is both.
 * NPLUG_ERR_ARGUMENT: no hand; NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_set_dominant(nplug_nest *nest, uint32_t hand);

/* Which hand is the dominant one since the last step: NPLUG_KIND_HAND_LEFT or _RIGHT. */
NPLUG_API uint32_t nplug_dominant(const nplug_nest *nest);

#ifdef __cplusplus
}
#endif
#endif
