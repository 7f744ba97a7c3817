/* Shaping: what a binding makes of a control's normalised value. */
#ifndef NP_SHAPING_H
#define NP_SHAPING_H

#include "memory.h"
#include "nestplug/action.h"

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

#endif
