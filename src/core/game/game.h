/* The game: what the game asked for, and what its players want otherwise.
 *
 * Comes in: tables and binding texts, texts of comfort.  Goes out: compiled bindings with their
 * sources, how values are shaped, what each player wants. */
#ifndef NP_GAME_H
#define NP_GAME_H

#include "core/device/device.h"
#include "nestplug/action.h"
#include "nestplug/bind.h"
#include "nestplug/control.h"
#include "nestplug/nest.h"
#include "nestplug/player.h"
#include "nestplug/touch.h"

/* --- shaping (shaping.c) ------------------------------------------------------------------------
 */

/* Shaping: what a binding makes of a control's normalised value. */
#define NP_CURVE_POINTS 6

/* How a dead zone is laid. */
typedef enum np_zone {
    NP_ZONE_RESCALED = 0, /* by distance from rest; what is left begins at 0 */
    NP_ZONE_RADIAL = 1,   /* by distance; what is left is as it was */
    NP_ZONE_AXIAL = 2     /* each component for itself; what is left is as it was */
} np_zone;

typedef struct np_shaping {
    float inner, outer; /* up to inner it is at rest, from outer on it is at its end */
    float power;        /* of the distance; a multiple of a quarter */
    float lift;         /* what is not at rest is at least this: a game's own dead zone is undone */
    float scale;
    float rise, fall;                /* a button as a level: so much a second; 0: at once */
    float press, release;            /* thresholds of a press; 0: the usual ones */
    float curve[NP_CURVE_POINTS][2]; /* straight pieces from (0, 0) through these to (1, 1) */
    uint8_t curve_count;
    uint8_t zone; /* an np_zone */
    uint8_t invert_x, invert_y;
    uint8_t to_circle; /* a stick's gate is brought to the unit circle */
    uint8_t own;       /* then through this one of the game's own, from 1; 0: none */
} np_shaping;

/* Shapes nothing. */
np_shaping np_shaping_none(void);

bool np_shaping_is_same(const np_shaping *a, const np_shaping *b);

/* Whether it changes values at all. */
bool np_shaping_is_idle(const np_shaping *shaping);

/* Whether it turns more than a second number, which a level does not have. */
bool np_shaping_suits_level(const np_shaping *shaping);

/* Whether what shapes it can shape what has no ends. */
bool np_shaping_suits_deltas(const np_shaping *shaping);

/* A value as the binding gives it: of two components, or of one where `components` is 1.  `square`:
 * the stick's corners reach 1, 1.  `free`: deltas, which have no ends. */
nplug_vec2 np_shaped(const np_shaping *shaping, nplug_vec2 value, unsigned components, bool square);
nplug_vec2 np_shaped_delta(const np_shaping *shaping, nplug_vec2 value);

/* What has ends as a speed: at its end NP_SPEED times the shaping's scale. */
#define NP_SPEED 1000.0f
nplug_vec2 np_shaped_speed(const np_shaping *shaping, nplug_vec2 value, unsigned components,
                           bool square);

/* Two opposite keys as one number; `later`: the high one was pressed last. */
float np_opposed(float low, float high, uint8_t rule, bool later);

/* A straight way towards an end: from `from`, `rate` a second, for so long. */
float np_ramp_up(float from, float rate, nplug_time span);
float np_ramp_down(float from, float rate, nplug_time span);

/* --- the game, compiled (game.c, bindings.c, binding_text.c, options.c) -------------------------
 */

/* The game, compiled: its actions and layers, their bindings, and the sources that bindings name.
 */
#define NP_NO_INDEX       0xffffu
#define NP_SOURCE_BUCKETS 64
#define NP_LAYERS         32
#define NP_FILTERS        16
#define NP_CHORD          4 /* controls of a chord at most, the one that drives included */
#define NP_EVERYBODY      0xffffffffu
#define NP_OF_GAME        0x80000000u /* of a binding's players: it is the game's */

/* How a binding puts its sources together. */
typedef enum np_shape {
    NP_SHAPE_ONE = 0,  /* one control */
    NP_SHAPE_PAIR = 1, /* two: low, high */
    NP_SHAPE_CROSS = 2 /* four: up, down, left, right */
} np_shape;

/* Which devices a source may be of: 0 and "" where it does not matter. */
typedef struct np_filter {
    nplug_device_kind kind;
    char family[24], sheet[24];
    uint8_t confirm; /* 0, or which of south and east confirms on them: an NPLUG_PAD number */
    uint8_t main;    /* 0, or which hand must be the dominant one: an nplug_device_kind */
} np_filter;

typedef struct np_source {
    float press, release;  /* a press is from here up, until it falls below there */
    nplug_control control; /* 0: a free place */
    uint16_t next;         /* in its bucket */
    uint16_t first_use;    /* of the bindings on it */
    uint16_t gesture;      /* its machine's place among those that tell taps; NP_NO_INDEX: none */
    uint8_t way;           /* an nplug_way */
    uint8_t filter;        /* place of an np_filter; 0: any device */
    uint16_t modifies;     /* of how many bindings it is a part that is held */
    uint16_t gives;        /* how many bindings read its value */
    uint16_t watched;      /* how many of them must see it whenever it moves */
    uint16_t odd;          /* how many want more of it than its press */
} np_source;

/* That a binding is on a source. */
typedef struct np_use {
    uint16_t binding; /* NP_NO_INDEX: a free place */
    uint16_t next;    /* of the same source */
} np_use;
#define NP_USE_HELD 0x8000u /* added to the binding: the source is held, another one drives */

typedef struct np_binding {
    /* What presses and values need of it comes first. */
    uint32_t players; /* bit by player: for whom it is */
    uint16_t action;  /* NP_NO_INDEX: a free place */
    uint16_t next;    /* of the same action */
    uint8_t layer;
    uint8_t rank;  /* by its layer's priority, then by how long its chord is */
    uint8_t kind;  /* the action's */
    uint8_t shape; /* an np_shape */
    uint8_t source_count, with_count;
    uint16_t source[4];
    uint16_t ramp;    /* the first of as many as it has sources; NP_NO_INDEX: none */
    uint16_t shaping; /* NP_NO_INDEX: none */
    uint8_t gesture;  /* an nplug_gesture */
    uint8_t taps;
    uint8_t observes : 1;        /* takes its controls from nobody */
    uint8_t moves : 1;           /* its source moves without ends */
    uint8_t counted;             /* among the odd ones of its sources, where it is one */
    uint16_t with[NP_CHORD - 1]; /* sources that must be held */
    uint32_t wait;               /* microseconds: see nplug_gesture */
    uint32_t every;
} np_binding;

/* What an action's rule says, and what the action is. */
typedef struct np_action_rule {
    uint8_t merge, opposite, one_of, keep;
    uint8_t number; /* of the rule, from 1; 0: none */
    uint8_t kind;   /* an nplug_action_kind */
    bool stays;
} np_action_rule;

typedef struct np_game {
    np_binding *bindings;
    np_source *sources;
    np_use *uses;
    uint16_t *first_binding; /* by action */
    np_action_rule *rules;   /* by action */
    np_shaping *shapings;
    uint8_t *kept; /* bit by shaping: it is some player's comfort */
    bool used;
    bool ruled;  /* some action's rule looks at other actions */
    bool timed;  /* some action is a motion, or its rule looks at which binding was later */
    bool freed;  /* some places of bindings, uses and sources may be free again */
    bool ranked; /* not all bindings have one rank: some may take a control from others */
    uint32_t binding_count, use_count; /* up to the last one in use */
    uint32_t source_count, shaping_count, filter_count;
    uint32_t action_limit, binding_limit, source_limit, shaping_limit, ramp_limit, gesture_limit;
    nplug_game def;
    uint64_t digest;
    np_filter filters[NP_FILTERS]; /* the first one is for any device */
    uint8_t layer_rank[NP_LAYERS]; /* 0 for the lowest priority */
    uint16_t bucket[NP_SOURCE_BUCKETS];
} np_game;

void np_game_layout(np_game *game, np_arena *arena, const nplug_limits *limits);

/* As if no game had ever been taken. */
void np_game_forget(np_game *game);

/* A row of a table of the game's, whatever the size of a row that its program knows. */
#define NP_ROW(type, def, rows, row_size, number)                                                  \
    ((const type *)(const void *)((const char *)(def)->rows + (size_t)(number) * (def)->row_size))

static inline const nplug_action_def *np_game_action(const np_game *game, uint32_t action)
{
    return NP_ROW(nplug_action_def, &game->def, actions, action_size, action);
}

static inline const nplug_layer_def *np_layer_row(const nplug_game *def, uint32_t layer)
{
    return NP_ROW(nplug_layer_def, def, layers, layer_size, layer);
}

static inline const nplug_action_policy *np_policy_row(const nplug_game *def, uint32_t policy)
{
    return NP_ROW(nplug_action_policy, def, policies, policy_size, policy);
}

static inline const nplug_shaper *np_shaper_row(const nplug_game *def, uint32_t shaper)
{
    return NP_ROW(nplug_shaper, def, shapers, shaper_size, shaper);
}

static inline const nplug_part_def *np_part_row(const nplug_game *def, uint32_t part)
{
    return NP_ROW(nplug_part_def, def, parts, part_size, part);
}

static inline const nplug_zone_def *np_zone_row(const nplug_game *def, uint32_t zone)
{
    return NP_ROW(nplug_zone_def, def, zones, zone_size, zone);
}

static inline nplug_action_kind np_game_kind(const np_game *game, uint32_t action)
{
    return (nplug_action_kind)game->rules[action].kind;
}

/* Whether actions of a kind are given their sources' values: a button is told what is held, and a
 * pose is found where it stands. */
static inline bool np_kind_gives_values(nplug_action_kind kind)
{
    return kind != NPLUG_ACTION_BUTTON && kind != NPLUG_ACTION_POSE;
}

/* The first source of a control, or NP_NO_INDEX; and the next one of the same control, which is
 * another way of it, for other devices or with other thresholds. */
uint32_t np_game_source(const np_game *game, nplug_control control);
uint32_t np_game_same_control(const np_game *game, uint32_t source);

/* Keeps a player's shaping in the place of another one (*place, NP_NO_INDEX: of none), shared with
 * others that are alike; NP_NO_INDEX where it changes nothing.  false, and all is as it was, where
 * there is no room. */
bool np_game_keep_shaping(np_game *game, const np_shaping *shaping, uint16_t *place);

/* The last binding of an action, or NP_NO_INDEX. */
uint32_t np_game_last(const np_game *game, uint32_t action);

/* Takes a binding away from its action and its sources; the place is free. */
void np_game_drop(np_game *game, uint32_t binding);

/* A source that no binding uses any more, or NP_NO_INDEX; and gives its place away: nothing may be
 * linked to it. */
uint32_t np_game_idle_source(const np_game *game);
void np_game_drop_source(np_game *game, uint32_t source);

/* For whom a binding is. */
void np_game_set_players(np_game *game, uint32_t binding, uint32_t players);

/* A value as the game's own shaping makes it, where a shaping names one. */
nplug_vec2 np_game_shape(const np_game *game, const np_shaping *shaping, nplug_vec2 value);

/* What shapes a binding; NULL where nothing does. */
static inline const np_shaping *np_game_shaping(const np_game *game, const np_binding *binding)
{
    return binding->shaping == NP_NO_INDEX ? NULL : &game->shapings[binding->shaping];
}

/* The binding of a use, and whether the source is only held for it. */
static inline uint32_t np_use_binding(const np_use *use)
{
    return use->binding & ~NP_USE_HELD;
}
static inline bool np_use_is_held(const np_use *use)
{
    return (use->binding & NP_USE_HELD) != 0;
}

/* --- comfort (comfort.c) ------------------------------------------------------------------------
 */

/* Comfort: what a player wants otherwise than the game does, for each action and for all. */
enum {
    NP_COMFORT_TOGGLE = 1, /* a press holds it, the next one lets go */
    NP_COMFORT_STICKY =
        2, /* what is to be held for a chord stays held after a tap; for all actions */
    NP_COMFORT_SWAP_STICKS = 4,  /* the left stick is the right one; for all actions */
    NP_COMFORT_SWAP_CONFIRM = 8, /* what confirms cancels; for all actions */
    NP_COMFORT_SWAPS = 12
};

/* Of one player and action. */
typedef struct np_comfort {
    uint16_t lasts;   /* a press must last so long (ms) */
    uint16_t again;   /* and not come sooner after the last one (ms) */
    uint16_t shaping; /* of the action's value; NP_NO_INDEX: none */
    uint8_t flags;
} np_comfort;

/* Of one player, for all actions. */
typedef struct np_ease {
    float waits;  /* all waiting times are so many times as long */
    float rumble; /* as strong */
    np_comfort every;
    bool used; /* something was ever set, for some action or for all */
} np_ease;

/* In place of an action's number: of all. */
#define NP_EVERY 0xffffu

typedef struct np_comforts {
    np_comfort *list; /* by player, then action */
    np_ease *ease;    /* by player */
    uint32_t action_limit;
} np_comforts;

void np_comfort_layout(np_comforts *comforts, np_arena *arena, const nplug_limits *limits);

/* Whether a player has any comfort at all. */
static inline bool np_comfort_is_used(const np_comforts *comforts, uint32_t player)
{
    return comforts->ease[player].used;
}

/* Two players have each other's. */
void np_comfort_swap(np_comforts *comforts, uint32_t actions, uint32_t a, uint32_t b);

/* --- what players have of their own (rebinds.c) -------------------------------------------------
 */

/* Bindings that players have of their own, in place of the game's, as texts; and their comfort. */
typedef struct np_rebinds {
    char *text; /* one after the other: player (of comfort, and 128), action (two bytes), the text
                   and its 0 */
    uint32_t used, size;
    char pending[NPLUG_BINDINGS_SIZE]; /* the text of the next command, in pieces */
    uint32_t pending_length;
} np_rebinds;

/* Added to a player's number: the text is comfort. */
#define NP_OF_COMFORT 128u

/* How many bytes of a text one command carries. */
#define NP_TEXT_PIECE 12u

/* A piece of the text of the next command; and all of it: the next text begins anew. */
void np_rebind_add_piece(np_rebinds *rebinds, const nplug_command *command);
const char *np_rebind_take_text(np_rebinds *rebinds);

/* A player's own text for an action; NULL where there is none. */
const char *np_rebind_own(const np_rebinds *rebinds, uint32_t player, uint32_t action);

/* Whether a text has room, in the place of the one that is there; and keeps it, or none (NULL). */
bool np_rebind_has_room(const np_rebinds *rebinds, uint32_t player, uint32_t action,
                        const char *text);
void np_rebind_keep(np_rebinds *rebinds, uint32_t player, uint32_t action, const char *text);

/* Two players have each other's. */
void np_rebind_swap_texts(np_rebinds *rebinds, uint32_t a, uint32_t b);

/* --- the room -------------------------------------------------------------------------------- */

typedef struct np_game_room {
    np_game game;
    np_comforts comforts;
    np_rebinds rebinds;
    const nplug_limits *limits;
    np_out *out;
} np_game_room;

void np_game_room_layout(np_game_room *room, np_arena *arena, const nplug_limits *limits);

/* Takes a game: its tables are checked, and its bindings compiled.  Where that fails, there is no
 * game.  NPLUG_ERR_ARGUMENT, _SIZE, _FULL, _DIFFERS, _BINDING. */
nplug_result np_game_take(np_game_room *room, const nplug_game *def);

/* The button among a game's actions that has this name; NP_NO_INDEX. */
uint32_t np_game_button(const np_game *game, const char *name);

/* What a player's bindings of an action are now, as a text: their own, those of all, the game's. */
const char *np_rebind_text(const np_game_room *room, uint32_t player, uint32_t action);

/* Whether a text may be a player's bindings of an action (NULL: the game's): why not. */
nplug_result np_rebind_check(const np_game_room *room, uint32_t player, uint32_t action,
                             const char *text);

/* Reads a text as a player's bindings of an action, after those that are there; false, and all but
 * idle sources is as it was, where there is no room for them. */
bool np_rebind_read(np_game_room *room, uint32_t player, uint32_t action, const char *text);

/* A waiting time as a player has it. */
uint32_t np_comfort_wait(const np_game_room *room, uint32_t player, uint32_t wait);

/* What holds for an action of a player: its own, or else that of all. */
uint32_t np_comfort_lasts(const np_game_room *room, uint32_t player, uint32_t action);
uint32_t np_comfort_again(const np_game_room *room, uint32_t player, uint32_t action);
bool np_comfort_has(const np_game_room *room, uint32_t player, uint32_t action, uint8_t flag);
const np_shaping *np_comfort_shaping(const np_game_room *room, uint32_t player, uint32_t action);

/* Whether a text is sound as comfort for an action (NP_EVERY: for all): why not. */
nplug_result np_comfort_check(const np_game_room *room, uint32_t action, const char *text);

/* A text is a player's comfort for an action from now on; what that came to. */
typedef enum np_comfort_news {
    NP_COMFORT_AS_IT_WAS = 0, /* it is wrong, or there is no room for it */
    NP_COMFORT_OTHER,
    NP_COMFORT_SWAPPED /* and controls are swapped otherwise: bindings have to be read anew */
} np_comfort_news;
np_comfort_news np_comfort_take(np_game_room *room, uint32_t player, uint32_t action,
                                const char *text, nplug_time time);

/* --- parts (parts.c) ----------------------------------------------------------------------------
 */

/* Parts: how several share keyboards, as the game says it in words. */
/* Which part a key is in, from 1; 0 for none. */
uint8_t np_parts_of_key(const nplug_game *game, nplug_control key);

/* Which part mice belong to; 0 for none. */
uint8_t np_parts_of_mice(const nplug_game *game);

/* What is wrong with a game's parts; NULL where nothing is. */
const char *np_parts_wrong(const nplug_game *game);

/* --- zones (zones.c) ----------------------------------------------------------------------------
 */

/* A signal that a zone makes: one number of one control. */
typedef struct np_zone_signal {
    nplug_control control;
    uint8_t component;
    uint8_t nature; /* an nplug_nature */
    int32_t min, max;
} np_zone_signal;

/* What a zone's numbers are multiplied by, as raw values: an axis's end, and a millimetre. */
#define NP_ZONE_END 32767
#define NP_ZONE_MM  1000

/* How many signals a zone has. */
uint32_t np_zone_signals(const nplug_game *game, uint32_t zone);

/* Signal `index` (from 0) of a zone; false past the last one.  Of an area they are in the order of
 * the roles, a number each. */
bool np_zone_signal_at(const nplug_game *game, uint32_t zone, uint32_t index,
                       np_zone_signal *signal);

/* The control that a name stands for after "zone:"; 0 for none. */
nplug_control np_zone_named(const nplug_game *game, const char *name, size_t length);

/* How many parts zones divide a surface into; 0: it is not divided. */
uint32_t np_zone_parts(const nplug_game *game);

#endif
