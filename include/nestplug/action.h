/* Actions: the game's questions, by name, and the calls that answer them. */
#ifndef NESTPLUG_ACTION_H
#define NESTPLUG_ACTION_H

#include "touch.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The kinds of action. */
typedef enum nplug_action_kind {
    NPLUG_ACTION_BUTTON = 0, /* on or off */
    NPLUG_ACTION_LEVEL = 1,  /* one number, [0, 1] or [-1, 1] */
    NPLUG_ACTION_VECTOR = 2, /* two numbers */
    NPLUG_ACTION_MOTION = 3, /* the sum of all movement since the last step */
    NPLUG_ACTION_POSE = 4    /* where a hand or a headset is: see pose.h */
} nplug_action_kind;

/* One action.  Its number is its place in the game's table.
 *
 * `bindings` holds them, parted by '|'.  A binding is a source and, after blanks, options:
 *   pad:south                  one control
 *   keys:KeyW,KeyS,KeyA,KeyD   four keys as a vector: up, down, left, right
 *   keys:KeyS,KeyW             two keys as a level in [-1, 1]: down, up
 *   pad:west,east              likewise of two or four other controls, of any class
 *   pad:dpad                   the four buttons of a pad's cross as a vector
 *   pad:stick-left.up          one direction (up, down, left, right; high, low of a single axis).
 *                              As a button of a game whose seats are given by use, a direction is
 *                              heard, but seats nobody
 *   pad:stick-left.x           one number of two, as a level in [-1, 1]; as a button, pressed to
 *                              either side
 *   mouse:wheel.up             one notch of a wheel (up, down, left, right): pressed and let go at
 *                              once; as a level or a motion, how far it turns that way
 *   key:ControlLeft+key:KeyZ   a chord: the last one drives while the others are held
 *   key:ShiftLeft/ShiftRight   either of two
 *   key-label:z                the key on which that letter, digit or sign is printed; those that
 *                              part bindings are comma, slash, plus, period and bar
 *   hand-left:pose-grip        a pose, for an action of that kind
 *   pad:confirm, pad:cancel    south and east, as people expect of a pad's family: see menu.h
 *
 * Of all bindings that one press makes whole, in whatever order their keys went down, the longest
 * chords fire, and no shorter one.  A binding ends, marked cancelled, when a longer chord becomes
 * whole that is driven by the same control, or that holds all of a shorter chord; it does not come
 * back before it is pressed anew.  One key of four that a chord drives is taken from the four: they
 * have 0 that way meanwhile.  Where layers differ in priority, the higher layer comes before
 * the longer chord.  A binding that says `observe` stops no other one.
 *
 * How the press is made (of a button; without any of these, as it goes down):
 *   on-release                 as it is let go: pressed and released at that moment
 *   tap, tap=200               let go again within 200 ms (250 where nothing is said)
 *   double-tap, double-tap=300 pressed twice, the first press and the pause within 300 ms; the
 *                              second press may last, and holds the action as long
 *   taps=3, taps=3:300         the same, three times: all but the last press are short
 *   hold=600                   when it has been held for 600 ms
 *   repeat=400:80              at once, after 400 ms, and then every 80 ms; each of these ends the
 *                              press before
 *
 * A binding has one of these.  Rows of taps that bindings want of one control do not take presses
 * from each other: presses are told in order, and each belongs to the longest row that begins with
 * it.  A row is told as it is made, where no longer one can still be made of its presses, and else
 * as soon as none can; each row keeps its own limits.  A press at which a hold or a repetition
 * fires is no tap; such a press may only be the last one of a row.  A press counts where its
 * layer is on and its chord is held as it goes down; one that no person lets go (see
 * NPLUG_EVENT_FLAG_CANCELLED) counts for no row.  Presses and holds fire beside taps.
 *
 * Each limit includes its last microsecond: 200 ms are within 200 ms.  Time comes before reports: a
 * hold that is due at the moment of the release has fired, and the press was no tap.  A tap that is
 * told after its release is pressed and released at the moment when it is told: that is 1 us after
 * the limit of a longer row, and two taps that wait for a third are two presses then.
 *
 * Further options:
 *   kind=pad family=quay-letters sheet=heron   of such devices only
 *   observe                    takes its controls from no binding of a lower layer: see
 *                              nplug_layer_def; and stops no shorter chord, as who runs goes on
 *                              walking.  It does not see what a higher layer takes
 *   press=0.5 release=0.4      where a press of an axis begins and ends, of its normalised value
 *                              before it is shaped; these are the defaults.  `press` alone: it ends
 *                              0.1 below, or at half of a `press` of up to 0.2
 *   dead= outer= zone= power= curve= lift= scale= invert= gate= rise= fall=   shaping
 *   by=NAME                    a shaping of the game's own: see nplug_shaper
 *
 * Shaping goes in this order: `gate` draws a stick in to the circle; `dead` and `outer` cut the
 * distance from rest, and with zone=rescaled stretch the rest of it to [0, 1]; then `power`,
 * `curve`, `lift` and `scale`; each component is cut to [-1, 1]; `invert` turns signs; `by` comes
 * last, and after it the player's comfort in the same order.  All of it up to `scale` is done to a
 * stick's distance from rest, and its direction stays; with zone=axial, to each component by
 * itself.  A level has one number, which invert=x turns; invert=y alone is refused there.
 *
 * Any source may drive any action.  A stick or a button bound to a motion moves it at a speed: at
 * its end by 1000 times `scale` counts a second.  The motion is the integral of that speed over the
 * time of the reports: from each report on, the control has the value that this report says, until
 * the next one.  So a stick that stands somewhere moves on, and many short steps come to as much as
 * one long step, apart from rounding.  A mouse bound to a vector or a level is as good as a stick:
 * where it moves 1000 / `scale` counts a second, it is at its end.  Such a value is the mouse's
 * mean speed over the step (at least over 1 ms), and no other value depends on how long a step is.
 *
 * Strings stay the caller's and stay valid as long as the nest. */
typedef struct nplug_action_def {
    const char *name; /* UTF-8, of any length; in game files, and to be written as C, 1 to 48
                         letters, digits, '-' and '_'.  Each name once */
    uint32_t kind;    /* an nplug_action_kind */
    const char *bindings;
    uint32_t layer; /* 0 to 31: actions of one layer are switched on and off together */
} nplug_action_def;

/* A layer.  Its number is its place in the game's table.  Where layers of different priority are on
 * for a player, a control that drives a binding of the higher one is taken: bindings of lower ones
 * do not see it, unless the higher binding says `observe`.  A control is the same one by whatever
 * name: a key by its place or by its label.  A chord takes the control that drives it, while
 * the others are held.  Layers of one priority share. */
typedef struct nplug_layer_def {
    const char *name;
    int32_t priority; /* the higher one takes; in game files -1000000 to 1000000 */
    bool on;          /* from the start, for every player */
} nplug_layer_def;

/* How the values of several bindings that drive one action are merged. Motions always add. */
typedef enum nplug_merge {
    NPLUG_MERGE_STRONGEST = 0, /* the one that is furthest from rest */
    NPLUG_MERGE_LATEST = 1,    /* the one that left its rest last, as it is shaped; when that is at
                                  rest again, the one that did before it and is not.  A mouse and
                                  its wheel are at rest after a pause of 100 ms */
    NPLUG_MERGE_ADDED = 2      /* their sum, each component cut to [-1, 1] */
} nplug_merge;

/* The value of a binding while two opposite keys of it are held. */
typedef enum nplug_opposite {
    NPLUG_OPPOSITE_NEUTRAL = 0,
    NPLUG_OPPOSITE_LATEST = 1, /* the one that was pressed last */
    NPLUG_OPPOSITE_FIRST = 2,  /* the one that was pressed first */
    NPLUG_OPPOSITE_LOW = 3,    /* left, or down */
    NPLUG_OPPOSITE_HIGH = 4    /* right, or up */
} nplug_opposite;

/* A named part of a level's range: from here up to the next one's begin. */
typedef struct nplug_band {
    const char *name;
    float begin; /* in [-1, 1]; of a vector's length in [0, 1] */
} nplug_band;

/* How much of an action's bindings a player may change. */
typedef enum nplug_keep {
    NPLUG_KEEP_NOTHING = 0, /* all, down to none */
    NPLUG_KEEP_ONE = 1,     /* but one must be left */
    NPLUG_KEEP_ALL = 2      /* nothing */
} nplug_keep;

/* How an action differs from the usual. */
typedef struct nplug_action_policy {
    uint32_t action;         /* its number */
    uint32_t merge;          /* an nplug_merge */
    uint32_t opposite;       /* an nplug_opposite */
    uint32_t one_of;         /* 1 to 255: of the actions with the same number, a player holds one at
                                a time (the one pressed first); 0: no matter */
    const nplug_band *bands; /* in rising order */
    uint32_t band_count;
    uint32_t keep; /* an nplug_keep */
    bool stays;    /* its value stays when the device that gave it departs, until another control of
                      it is moved, its layer is switched, or the player leaves or swaps seats; a
                      lever's value always stays, since a lever has no rest.  A device that only
                      changes hands takes its values along: they are 0 */
} nplug_action_policy;

/* A shaping of the game's own: a binding that says `by=NAME` has its value go through it, after its
 * other shaping.  It gets and gives numbers in [-1, 1] (a level in x), is called within nplug_step,
 * must depend on nothing but its arguments, and may call nothing of the nest. */
typedef struct nplug_shaper {
    const char *name;
    void (*shape)(void *user, nplug_vec2 *value);
    void *user; /* the game's own */
} nplug_shaper;

/* Who gets a seat, and how. */
typedef enum nplug_seats {
    NPLUG_SEATS_ONE = 0,       /* a game for one: player 1 hears all, whatever is plugged in */
    NPLUG_SEATS_FIRST_USE = 1, /* a press on an unclaimed device seats a new player: of a button, a
                                  key, or a trigger half way */
    NPLUG_SEATS_BY_CALL = 2,   /* only nplug_claim seats anybody */
    NPLUG_SEATS_BY_ACTION = 3, /* a press of the action `join` on an unclaimed device does; its
                                  other buttons do nothing until then */
    NPLUG_SEATS_BY_ARRIVAL = 4 /* whatever is plugged in seats a new player */
} nplug_seats;

/* The most parts that keyboards may have. */
#define NPLUG_PARTS_MAX 4u

/* A part of every keyboard, for players who share one: the part numbered 1 is the first in the
 * game's table.  Keys outside all parts belong to nobody. Mice belong to the part that names
 * "mouse" among its keys, and to nobody where none does. A player who gets that part of a keyboard,
 * by a press or by nplug_claim, also gets each mouse that is free, and each mouse of the player who
 * loses that part. A player who gets a mouse also gets that part of the first keyboard on which
 * that part is free. */
typedef struct nplug_part_def {
    const char *name;
    const char *keys; /* W3C codes parted by commas, "KeyW,KeyA,KeyS,KeyD,mouse"; each once */
} nplug_part_def;

/* A game: its actions and its seats. */
typedef struct nplug_game {
    uint32_t size;        /* sizeof(nplug_game) */
    uint32_t action_size; /* sizeof(nplug_action_def), so that actions may grow; the same for the
                             tables below */
    uint32_t layer_size;
    uint32_t policy_size;
    uint32_t shaper_size;
    uint32_t part_size;
    uint64_t names; /* not 0: the nplug_names_digest that numbers kept elsewhere go with */
    const char *name;
    const nplug_action_def *actions;
    const nplug_layer_def *layers; /* NULL: 32 layers of one priority, of which layer 0 is on */
    const nplug_action_policy *policies;
    const nplug_shaper *shapers;
    const nplug_part_def *parts; /* how keyboards are shared; NULL: they are not */
    const char *join;            /* the action that seats a new player, of NPLUG_SEATS_BY_ACTION */
    const char *leave; /* an action by which a player leaves (bind it with `hold=`), or NULL */
    uint32_t action_count;
    uint32_t layer_count; /* at most 32 */
    uint32_t policy_count;
    uint32_t shaper_count; /* at most 255 */
    uint32_t part_count;   /* at most NPLUG_PARTS_MAX */
    uint32_t seats;        /* an nplug_seats */
    uint32_t players;      /* most players, at most NPLUG_PLAYERS_MAX; 0 means 1 */
    uint32_t seat_kinds;   /* bit by nplug_device_kind: which devices may take a seat; 0: all */
    uint32_t seat_wait_ms; /* how long a seat waits for a device that went, any number of
                              milliseconds (in game files up to an hour); 0: without end */
    uint32_t wobble_ms;    /* a device that is gone and back within this time never went, likewise;
                              0: none */
    uint32_t unfocused_kinds; /* bit by nplug_device_kind: heard while the game has no focus, too */
    uint32_t reserved;        /* 0 */
    const nplug_zone_def *zones; /* of touch surfaces; NULL: there are none */
    uint32_t zone_size;          /* sizeof(nplug_zone_def) */
    uint32_t zone_count;         /* at most NPLUG_ZONES_MAX */
} nplug_game;

/* A game for one with these actions. */
static inline nplug_game nplug_game_for_one(const char *name, const nplug_action_def *actions,
                                            uint32_t count)
{
    NPLUG_SIZED(nplug_game, game);

    game.action_size = (uint32_t)sizeof(nplug_action_def);
    game.layer_size = (uint32_t)sizeof(nplug_layer_def);
    game.policy_size = (uint32_t)sizeof(nplug_action_policy);
    game.shaper_size = (uint32_t)sizeof(nplug_shaper);
    game.part_size = (uint32_t)sizeof(nplug_part_def);
    game.zone_size = (uint32_t)sizeof(nplug_zone_def);
    game.name = name;
    game.actions = actions;
    game.action_count = count;
    game.players = 1;
    return game;
}

/* As nplug_game_for_one without a name and without actions, as a real symbol: fills as much of
 * *game as `size` bytes hold. NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_game_init(nplug_game *game, uint32_t size);

/* A game for several, seated by first use: whoever presses anything takes the lowest free seat. */
static inline nplug_game nplug_game_for(const char *name, const nplug_action_def *actions,
                                        uint32_t count, uint32_t players)
{
    nplug_game game = nplug_game_for_one(name, actions, count);
    game.seats = NPLUG_SEATS_FIRST_USE;
    game.players = players;
    return game;
}

/* Takes a game: compiles its bindings into the nest's block, and switches on the layers that are on
 * from the start.  Before the first step only (NPLUG_ERR_ORDER after it).  The tables and strings
 * stay the caller's.  NPLUG_ERR_ARGUMENT: a table is wrong, and the log says which.
 * NPLUG_ERR_BINDING: a binding text is wrong; the log says which, where, and which word was
 * expected, and the nest has no game.  NPLUG_ERR_FULL: a limit (the log says which).
 * NPLUG_ERR_DIFFERS: numbers that were generated from another game. */
NPLUG_API nplug_result nplug_use_game(nplug_nest *nest, const nplug_game *game);

/* The first zone of a game that is wrong, by its number, and in *why (static, a sentence that
 * begins with a verb) what is; NPLUG_NO_ZONE where none is, and for NULL.  nplug_use_game refuses
 * such a game. */
NPLUG_API uint32_t nplug_game_wrong_zone(const nplug_game *game, const char **why);

/* The game that a nest uses, with all sizes of this version: valid as long as the nest; NULL where
 * it uses none. */
NPLUG_API const nplug_game *nplug_nest_game(const nplug_nest *nest);

/* A digest of everything on which the numbers of actions and layers depend: their names, in order,
 * and the kinds of actions.  0 for NULL. */
NPLUG_API uint64_t nplug_names_digest(const nplug_game *game);

/* A digest of the game's names, kinds and bindings; 0 without a game.  Numbers of actions kept
 * elsewhere (a generated header, a trace) go with the game of the same digest only. */
NPLUG_API uint64_t nplug_game_digest(const nplug_nest *nest);

/* How many actions the game has: their numbers are 0 to this one less 1. */
NPLUG_API uint32_t nplug_action_count(const nplug_nest *nest);

/* The number of an action by name; NPLUG_NO_ACTION where there is none (the log says the nearest
 * name, once). */
NPLUG_API uint32_t nplug_action_number(const nplug_nest *nest, const char *name);

/* An action's name: the game's string, or NULL for a number that is none. */
NPLUG_API const char *nplug_action_name(const nplug_nest *nest, uint32_t action);

/* All queries below take a player and an action's number, and tell how it was at the last step.
 * NPLUG_EVERYONE asks for all together, NPLUG_NOBODY for the devices that nobody has claimed.  A
 * player or an action that is not there is answered as at rest, and the log names it once. */

/* Whether it is held now: something that drives it is pressed; or, of a level or a vector, the
 * value as it is shaped is at least half way from its rest.  Edges and counts look at presses
 * alone: a whole stick has none. */
NPLUG_API bool nplug_held(const nplug_nest *nest, nplug_player player, uint32_t action);

/* How many times it was pressed in the last step: a press and its release inside one step are
 * both seen.  A level or a vector is pressed as any of its keys, buttons, triggers or directions
 * is; a whole stick has no press. */
NPLUG_API uint32_t nplug_presses(const nplug_nest *nest, nplug_player player, uint32_t action);

/* How many times it was let go in the last step, by a person or by a departure. */
NPLUG_API uint32_t nplug_releases(const nplug_nest *nest, nplug_player player, uint32_t action);

/* A level in [-1, 1] ([0, 1] for a trigger or a key); of a button 0 or 1; of a vector its x. */
NPLUG_API float nplug_level(const nplug_nest *nest, nplug_player player, uint32_t action);

/* A vector, each component in [-1, 1], +x right, +y up; of a level (level, 0).
 * For NPLUG_EVERYONE the longest of all players'. */
NPLUG_API nplug_vec2 nplug_vector(const nplug_nest *nest, nplug_player player, uint32_t action);

/* How far a motion moved in the last step, in the hardware's counts; for NPLUG_EVERYONE the sum. */
NPLUG_API nplug_vec2 nplug_motion(const nplug_nest *nest, nplug_player player, uint32_t action);

/* All that is known of one action, for one player. */
typedef struct nplug_action_facts {
    uint32_t size;                     /* sizeof(nplug_action_facts), set by the caller */
    uint32_t kind;                     /* an nplug_action_kind */
    const char *name;                  /* the game's string */
    const nplug_action_policy *policy; /* the game's own; NULL: nothing beyond the usual */
    uint64_t press_count;              /* presses since the start; only ever grows */
    uint64_t release_count;            /* releases since the start */
    nplug_time press_time;             /* report time of the last press; 0 before the first */
    nplug_time release_time;           /* report time of the last release */
    nplug_time held_for; /* since the last press, up to the last step; 0 where nothing is pressed */
    nplug_vec2 value;    /* as nplug_vector or nplug_motion */
    uint32_t layer;      /* the number of the layer that it is in */
    bool held;           /* as nplug_held */
    bool rebound;        /* as nplug_is_rebound */
    bool reserved[2];    /* false */
} nplug_action_facts;

/* Fills *facts.  NPLUG_ERR_UNKNOWN (and all of *facts 0) where there is no such player or action;
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_action_info(const nplug_nest *nest, nplug_player player,
                                         uint32_t action, nplug_action_facts *facts);

/* Whether it was pressed within the last `ms` milliseconds before the last step's time, and uses
 * that press up: asked again, the answer is no until the next press.  For a jump that was asked for
 * a little too early.  Counts, events and other queries know nothing of it. */
NPLUG_API bool nplug_use_press(nplug_nest *nest, nplug_player player, uint32_t action, uint32_t ms);

/* The band (see nplug_action_policy) in which a level or a vector's length is: its index in the
 * policy's table; NPLUG_NO_BAND below the first one, or where the action has none. */
NPLUG_API uint32_t nplug_band_number(const nplug_nest *nest, nplug_player player, uint32_t action);

/* A band's name by its index: the game's string, or NULL where there is none. */
NPLUG_API const char *nplug_band_name(const nplug_nest *nest, uint32_t action, uint32_t band);

/* How many layers the game's table has; 0 where it has none, and its layers have no names. */
NPLUG_API uint32_t nplug_layer_count(const nplug_nest *nest);

/* A layer's number by name; NPLUG_NO_LAYER where there is none. */
NPLUG_API uint32_t nplug_layer_number(const nplug_nest *nest, const char *name);

/* A layer's name: the game's string, or NULL for a number that is none. */
NPLUG_API const char *nplug_layer_name(const nplug_nest *nest, uint32_t layer);

/* A layer's priority; 0 where the game has no table of layers. */
NPLUG_API int32_t nplug_layer_priority(const nplug_nest *nest, uint32_t layer);

/* Whether a layer is on for a player since the last step; for NPLUG_NOBODY, for the devices that
 * nobody has claimed; for NPLUG_EVERYONE, for all of them. */
NPLUG_API bool nplug_layer_on(const nplug_nest *nest, nplug_player player, uint32_t layer);

/* Switches a layer on or off for a player or for NPLUG_EVERYONE, at the next step.  Switching it
 * off lets go of its buttons, marked cancelled, and takes its values to 0.  A press begun in one
 * layer never fires in another: it has to be let go first; levels and vectors carry over.
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_switch_layer(nplug_nest *nest, nplug_player player, uint32_t layer,
                                          bool on);

/* The word for a number of an nplug_action_kind: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_action_kind_name(uint32_t number);

/* The word for a number of an nplug_merge: static, never NULL; "unknown" for a number that is none.
 */
NPLUG_API const char *nplug_merge_name(uint32_t number);

/* The word for a number of an nplug_opposite: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_opposite_name(uint32_t number);

/* The word for a number of an nplug_keep: static, never NULL; "unknown" for a number that is none.
 */
NPLUG_API const char *nplug_keep_name(uint32_t number);

/* The word for a number of an nplug_seats: static, never NULL; "unknown" for a number that is none.
 */
NPLUG_API const char *nplug_seats_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
