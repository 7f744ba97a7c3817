/* Bindings: reading their texts, replacing them while the game runs, and picking a control by using
 * it.
 */
#ifndef NESTPLUG_BIND_H
#define NESTPLUG_BIND_H

#include "action.h"
#include "control.h"
#include "event.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The part of a control that drives a binding. */
typedef enum nplug_way {
    NPLUG_WAY_WHOLE = 0,
    NPLUG_WAY_X, /* one number of two */
    NPLUG_WAY_Y,
    NPLUG_WAY_RIGHT, /* one direction; of a single axis the high one */
    NPLUG_WAY_LEFT,  /* of a single axis the low one */
    NPLUG_WAY_UP,
    NPLUG_WAY_DOWN
} nplug_way;

/* How a press is made. */
typedef enum nplug_gesture {
    NPLUG_GESTURE_PRESS = 0,
    NPLUG_GESTURE_RELEASE, /* as it is let go */
    NPLUG_GESTURE_TAP,     /* a number of short presses */
    NPLUG_GESTURE_HOLD,    /* when it has lasted */
    NPLUG_GESTURE_REPEAT   /* again and again while it lasts */
} nplug_gesture;

/* A control, or a part of one, as a binding names it. */
typedef struct nplug_source {
    nplug_control control;
    uint16_t way; /* an nplug_way */
} nplug_source;

/* One binding, as a text says it. */
typedef struct nplug_binding {
    uint32_t index;  /* in the text, from 0 */
    uint32_t column; /* at which it begins, from 1, in bytes */
    uint32_t held_count, driving_count;
    nplug_source held[3];       /* the controls that must be held */
    nplug_source driving[4];    /* one; two (down, up); four (up, down, left, right) */
    uint32_t gesture;           /* an nplug_gesture */
    uint32_t taps;              /* of a tap, how many presses */
    uint32_t wait_us, every_us; /* see nplug_action_def */
    uint32_t kind;              /* an nplug_device_kind: of such devices only; 0: of any */
    char family[24], sheet[24]; /* of devices of this family or sheet only; "": of any */
    uint32_t observes;          /* 1: it says `observe`; else 0 */
    uint32_t confirm;           /* NPLUG_PAD_SOUTH or NPLUG_PAD_EAST: it is of `pad:confirm` or
                                   `pad:cancel`, on pads on which that confirms; else 0 */
} nplug_binding;

/* Hears one binding; `user` is the caller's own.  Where several controls may stand for each other,
 * each choice comes by itself, with the same place. */
typedef void (*nplug_on_binding)(void *user, const nplug_binding *binding);

/* The mistake in a binding text. */
typedef struct nplug_binding_error {
    uint32_t column; /* from 1, in bytes */
    char what[160];  /* the mistake, and the word that was expected */
} nplug_binding_error;

/* Reads a text of bindings for an action of this kind, and hands each to `each` (may be NULL).
 * NPLUG_ERR_BINDING: it is wrong, and *error (may be NULL) says where and why. */
NPLUG_API nplug_result nplug_read_bindings(nplug_action_kind kind, const char *from,
                                           nplug_on_binding each, void *user,
                                           nplug_binding_error *error);

/* As nplug_read_bindings, for a game: its zones may be named. */
NPLUG_API nplug_result nplug_game_read_bindings(const nplug_game *game, nplug_action_kind kind,
                                                const char *from, nplug_on_binding each, void *user,
                                                nplug_binding_error *error);

/* Writes a source as a text names it ("pad:stick-left.up") with a terminating 0, cut to `size`;
 * returns the length of the whole name, 0 for a source that is none. */
NPLUG_API size_t nplug_source_name(nplug_source source, char *buffer, size_t size);

/* The control that made an event, as a binding would name it: of NPLUG_EVENT_PICK the control and
 * its way; of others the whole control; {0} where the event has none. */
static inline nplug_source nplug_event_source(const nplug_event *event)
{
    nplug_source source = {event->control, event->way};
    return source;
}

/* A text of bindings in which one of them, by its place, has another source (a text such as
 * "key:KeyQ" or "key:ShiftLeft+key:KeyQ"), and keeps its options.  A place past the end adds a
 * binding; NULL or "" takes one away.  Written as nplug_source_name writes. */
NPLUG_API size_t nplug_bindings_replace(const char *from, uint32_t place, const char *source,
                                        char *buffer, size_t size);

/* The longest text of bindings that a player may have of their own, with its terminating 0. */
#define NPLUG_BINDINGS_SIZE 240

/* Gives a player bindings of their own for an action, at the next step, in place of the game's;
 * NULL gives the game's back.  For NPLUG_EVERYONE it is the game's bindings that change, for all
 * players who have none of their own: so a game is tuned while it runs. The action is released,
 * marked cancelled; nothing else changes, and an event says so.  NPLUG_ERR_BINDING: the text is
 * wrong, and the log says why; NPLUG_ERR_KEPT: the action's policy does not let a player do that;
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_UNKNOWN, NPLUG_ERR_SIZE, NPLUG_ERR_FULL.  Where a limit leaves no
 * room when it is taken, an event and the log say so, and all stays as it was. */
NPLUG_API nplug_result nplug_bind(nplug_nest *nest, nplug_player player, uint32_t action,
                                  const char *from);

/* The text of bindings that drives an action of a player: their own, or the game's; for
 * NPLUG_EVERYONE the game's, as it is now.  Valid until
 * the next step; "" where there is none. */
NPLUG_API const char *nplug_bindings(const nplug_nest *nest, nplug_player player, uint32_t action);

/* One thing that a player may do for an action: a binding as it is compiled for them.  Unlike a
 * text it names what people press: pad:confirm is south or east, hand-main: is a side, sticks that
 * a comfort swaps are swapped, and of controls that stand for each other each is one. */
typedef struct nplug_offer {
    uint32_t size;         /* sizeof(nplug_offer), set by the caller */
    nplug_device device;   /* a device of the player's that has all of its controls, if there are
                              several   one of the active set; 0: none has */
    nplug_binding binding; /* `column` is 0 */
    bool serves;           /* its layer is on, and nothing of a higher rank has its control */
    bool active;           /* its device is of the player's active set */
    bool own;              /* it is the player's, not the game's */
    bool reserved[5];      /* false */
} nplug_offer;

/* Fills *offer with what a player may do for an action, by index from 0, in the order of the text;
 * of NPLUG_NOBODY on devices that nobody has claimed.  NPLUG_ERR_UNKNOWN past the last, and for an
 * action or a player that is none; NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_offer_info(const nplug_nest *nest, nplug_player player,
                                        uint32_t action, uint32_t index, nplug_offer *offer);

/* Whether a player has bindings of their own for an action; for NPLUG_EVERYONE, whether the game's
 * were changed by nplug_bind. */
NPLUG_API bool nplug_is_rebound(const nplug_nest *nest, nplug_player player, uint32_t action);

/* Comfort, as accessibility settings are called here: sets how an action works for one player, from
 * the next step on.  A text for one action goes before the one for NPLUG_EVERY_ACTION; "" removes
 * it.  The action is released.  At most NPLUG_BINDINGS_SIZE bytes, its terminating 0 included.
 * Words, separated by blanks:
 *   toggle         of buttons: a press holds the action, and the next press lets go; of all
 *                  actions, for those that are buttons
 *   lasts=80       a press counts when it has lasted for 80 ms; 0 to 10000.  The keys of one
 *                  binding ("keys:KeyW,...") are one press, from the first down to the last up
 *   again=200      and not within 200 ms of the last one's end; 0 to 10000
 *   dead= outer= zone= power= curve= lift= scale= invert= gate=
 *                  shape its value, after the game's own shaping
 *
 * Words for all actions only:
 *   slower=1.5     all times of taps, holds and repeats are 1.5 times as long; 0.1 to 10
 *   sticky         the held keys of a chord may be tapped before it instead
 *   swap-sticks    a pad's left stick is the right one, and the other way round
 *   swap-confirm   on a pad, the confirm and the cancel button change places
 *   rumble=0.5     the strength of rumble is multiplied by 0.5; 0 to 1, and 0 is no rumble
 *
 * NPLUG_ERR_BINDING: the text is wrong, and the log says why; NPLUG_ERR_ARGUMENT,
 * NPLUG_ERR_UNKNOWN, NPLUG_ERR_SIZE, NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_set_comfort(nplug_nest *nest, nplug_player player, uint32_t action,
                                         const char *text);

/* The comfort that a player has for an action, or for NPLUG_EVERY_ACTION, as it was set.  Valid
 * until the next step; "" where there is none. */
NPLUG_API const char *nplug_comfort(const nplug_nest *nest, nplug_player player, uint32_t action);

/* Whether two bindings of one player would fire together: they drive by the same control in the
 * same way, of devices that may be the same, by the same gesture, while the same others are held,
 * and neither only observes.  *by (may be NULL): the first one's source. */
NPLUG_API bool nplug_bindings_clash(const nplug_binding *one, const nplug_binding *other,
                                    nplug_source *by);

/* Two bindings of one player that would fire together. */
typedef struct nplug_conflict {
    uint32_t action; /* whose binding is in the way */
    uint32_t index;  /* in its text, from 0 */
} nplug_conflict;

/* The conflicts of a text of bindings with the bindings of other actions of the same player, in
 * layers of the same priority, that drive by the same control in the same way while the same others
 * are held.  A label of keys is the key that has it, on the first keyboard that is here.  Changes
 * nothing.  Fills up to `max` and returns how many there are. */
NPLUG_API uint32_t nplug_conflicts(nplug_nest *nest, nplug_player player, uint32_t action,
                                   const char *from, nplug_conflict *list, uint32_t max);

/* --- picking -------------------------------------------------------------------------------- */

/* How a control is picked. */
typedef struct nplug_pick {
    uint32_t size;        /* sizeof(nplug_pick) */
    nplug_player player;  /* whose devices are watched; NPLUG_EVERYONE: all */
    uint32_t kinds;       /* bit by nplug_device_kind: of which devices; 0: of any */
    uint32_t wait_ms;     /* how long it waits; 0: without end */
    float threshold;      /* how far an axis must be moved, up to 1; 0: 0.6 */
    nplug_control cancel; /* the control that ends it; 0: none */
    bool takes; /* the game hears no press and no movement meanwhile: they are spent (see player.h)
                 */
    bool reserved; /* false */
} nplug_pick;

/* Of everybody's devices, without end and without a control that cancels; the game hears nothing
 * meanwhile. */
static inline nplug_pick nplug_pick_default(void)
{
    nplug_pick pick = {(uint32_t)sizeof(nplug_pick), NPLUG_EVERYONE, 0, 0, 0.6f, 0, true, false};
    return pick;
}

/* As nplug_pick_default, as a real symbol: fills as much of *pick as `size` bytes hold.
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_pick_init(nplug_pick *pick, uint32_t size);

/* Waits for a control, from the next step on, in place of a pick that was under way.  A control
 * that is held by then has to be released first.  A notch of a mouse's wheel is picked as the
 * direction in which it turned.  The press that picks is spent (see player.h).  An NPLUG_EVENT_PICK
 * tells how it ended.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE, NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_start_pick(nplug_nest *nest, const nplug_pick *pick);

/* Ends it at the next step, as if cancelled.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_stop_pick(nplug_nest *nest);

/* How a pick goes on, for a screen that shows it. */
typedef struct nplug_pick_facts {
    uint32_t size;       /* sizeof(nplug_pick_facts), set by the caller */
    nplug_device device; /* whose control it is; 0: nothing moves */
    nplug_time left_us;  /* until the pick ends by itself; 0 where it does not */
    nplug_source source; /* the control that was picked, or is nearest to being picked */
    float share;         /* how near that is, 0 to 1; 1: picked */
    uint32_t player;     /* whose devices are watched, or NPLUG_EVERYONE */
    bool waits;          /* it is under way */
    bool reserved[3];    /* false */
} nplug_pick_facts;

/* Fills *facts with the pick that is under way, or the last one.  NPLUG_ERR_ARGUMENT,
 * NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_pick_info(const nplug_nest *nest, nplug_pick_facts *facts);

/* The word for a number of an nplug_way: static, never NULL; "unknown" for a number that is none.
 */
NPLUG_API const char *nplug_way_name(uint32_t number);

/* The word for a number of an nplug_gesture: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_gesture_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
