/* Actions: what the game wants to know, by name, and how it asks. */
#ifndef NESTPLUG_ACTION_H
#define NESTPLUG_ACTION_H

#include "base.h"

#ifdef __cplusplus
extern "C" {
#endif

/* What an action gives. */
typedef enum nplug_action_kind {
    NPLUG_BUTTON = 0, /* on or off */
    NPLUG_LEVEL = 1,  /* one number, [0, 1] or [-1, 1] */
    NPLUG_VECTOR = 2, /* two numbers */
    NPLUG_MOTION = 3  /* what was moved since the last step, summed */
} nplug_action_kind;

/* One action.  Its number is its place in the game's table.
 *
 * `from` holds its bindings, parted by '|'.  A binding is a source and, after a blank, how the
 * press on it is made:
 *   pad:south                  one control
 *   keys:KeyW,KeyS,KeyA,KeyD   four keys as a vector: up, down, left, right
 *   keys:KeyS,KeyW             two keys as a level in [-1, 1]: down, up
 *   pad:start hold=600         held for 600 ms (buttons only); without it, a press
 *
 * Strings stay the caller's and stay valid as long as the nest. */
typedef struct nplug_action_def {
    const char *name;
    nplug_action_kind kind;
    const char *from;
    uint32_t layer; /* 0 to 31: actions of one layer are switched on and off together */
} nplug_action_def;

/* Who gets a seat, and how. */
typedef enum nplug_seat_rule {
    NPLUG_SEATS_ONE = 0,       /* a game for one: player 1 hears all, whatever is plugged in */
    NPLUG_SEATS_FIRST_USE = 1, /* a press on an unclaimed device seats a new player */
    NPLUG_SEATS_BY_CALL = 2    /* only nplug_claim seats anybody */
} nplug_seat_rule;

/* A game: its actions and its seats. */
typedef struct nplug_game {
    uint32_t size;        /* sizeof(nplug_game) */
    uint32_t action_size; /* sizeof(nplug_action_def), so that that may grow */
    uint32_t action_count;
    const char *name;
    const nplug_action_def *actions;
    nplug_seat_rule seats;
    uint32_t players; /* most players; 0 means 1 */
} nplug_game;

/* A game for one with these actions. */
static inline nplug_game nplug_game_for_one(const char *name, const nplug_action_def *actions,
                                            uint32_t count)
{
    nplug_game game = {(uint32_t)sizeof(nplug_game),
                       (uint32_t)sizeof(nplug_action_def),
                       count,
                       name,
                       actions,
                       NPLUG_SEATS_ONE,
                       1};
    return game;
}

/* A game for several, seated by first use: whoever presses anything takes the lowest free seat. */
static inline nplug_game nplug_game_for(const char *name, const nplug_action_def *actions,
                                        uint32_t count, uint32_t players)
{
    nplug_game game = nplug_game_for_one(name, actions, count);
    game.seats = NPLUG_SEATS_FIRST_USE;
    game.players = players;
    return game;
}

/* Takes a game: compiles its bindings into the nest's block, and switches layer 0 on for everyone.
 * Before the first step only (NPLUG_ERR_ORDER after it).  The strings stay the caller's.
 * NPLUG_ERR_BINDING: a binding text is wrong; the log says which, where, and what was expected,
 * and the nest has no game.  NPLUG_ERR_FULL: a limit (the log says which). */
NPLUG_API nplug_result nplug_use_game(nplug_nest *nest, const nplug_game *game);

/* A digest of the game's names, kinds and bindings; 0 without a game.  Numbers of actions kept
 * elsewhere (a generated header, a trace) go with the game of the same digest only. */
NPLUG_API uint64_t nplug_game_digest(const nplug_nest *nest);

/* The number of an action by name, or -1 (the log says the nearest name, once). */
NPLUG_API int nplug_action_number(nplug_nest *nest, const char *name);

/* An action's name: the game's string, or NULL for a number that is none. */
NPLUG_API const char *nplug_action_name(const nplug_nest *nest, uint32_t action);

/* An action's kind; NPLUG_BUTTON for a number that is none. */
NPLUG_API nplug_action_kind nplug_action_kind_of(const nplug_nest *nest, uint32_t action);

/* All queries below take a player (NPLUG_ANYONE for everybody together) and an action's number,
 * tell what held at the last step, and answer neutral for a player or an action that is not
 * there; the log names it the first time. */

/* Whether a button action is held now. */
NPLUG_API bool nplug_held(nplug_nest *nest, nplug_player player, uint32_t action);

/* How many times it was pressed in the last step: a press and its release inside one step are
 * both seen. */
NPLUG_API uint32_t nplug_presses(nplug_nest *nest, nplug_player player, uint32_t action);

/* How many times it was let go in the last step, by a person or by a departure. */
NPLUG_API uint32_t nplug_releases(nplug_nest *nest, nplug_player player, uint32_t action);

/* A level in [-1, 1] ([0, 1] for a trigger or a key); of a button 0 or 1; of a vector its x. */
NPLUG_API float nplug_level(nplug_nest *nest, nplug_player player, uint32_t action);

/* A vector, each component in [-1, 1], +x right, +y up; of a level (level, 0).
 * For NPLUG_ANYONE the longest of all players'. */
NPLUG_API nplug_vec2 nplug_vector(nplug_nest *nest, nplug_player player, uint32_t action);

/* What a motion moved in the last step, in the hardware's counts; for NPLUG_ANYONE the sum. */
NPLUG_API nplug_vec2 nplug_motion(nplug_nest *nest, nplug_player player, uint32_t action);

/* All that is known of one action. */
typedef struct nplug_action_state {
    uint64_t press_count;    /* presses since the start; only ever grows */
    uint64_t release_count;  /* releases since the start */
    nplug_time press_time;   /* report time of the last press; 0 before the first */
    nplug_time release_time; /* report time of the last release */
    nplug_vec2 value;        /* as nplug_vector or nplug_motion */
    bool held;
} nplug_action_state;

/* Fills *state.  NPLUG_ERR_UNKNOWN (and a neutral *state) where the player or action is none. */
NPLUG_API nplug_result nplug_action_look(nplug_nest *nest, nplug_player player, uint32_t action,
                                         nplug_action_state *state);

/* Switches a layer on or off for a player (NPLUG_ANYONE: for all), at the next step.  Switching it
 * off lets go of its buttons, marked cancelled, and takes its values to 0; a press begun while it
 * was off does not fire when it comes on.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_switch_layer(nplug_nest *nest, nplug_player player, uint32_t layer,
                                          bool on);

#ifdef __cplusplus
}
#endif
#endif
