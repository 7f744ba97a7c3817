/* Shaping: what a binding makes of a value.
 *
 * Owns nothing: pure functions.  Comes in: a normalised value.  Goes out: dead zones, curves,
 * scales, ramps, opposites. */
#include "core/game/game.h"
#include <math.h>
#include <stddef.h>
#include <string.h>

np_shaping np_shaping_none(void)
{
    np_shaping none = {0};

    none.outer = none.power = none.scale = 1.0f;
    return none;
}

/* Up to the last member: the bytes that fill the struct up are nobody's. */
bool np_shaping_is_same(const np_shaping *a, const np_shaping *b)
{
    return memcmp(a, b, offsetof(np_shaping, own) + sizeof a->own) == 0;
}

bool np_shaping_is_idle(const np_shaping *s)
{
    return s->inner == 0.0f && s->outer == 1.0f && s->power == 1.0f && s->lift == 0.0f &&
           s->scale == 1.0f && s->rise == 0.0f && s->fall == 0.0f && s->curve_count == 0 &&
           !s->invert_x && !s->invert_y && !s->to_circle && !s->own;
}

bool np_shaping_suits_level(const np_shaping *shaping)
{
    return shaping->invert_x || !shaping->invert_y;
}

bool np_shaping_suits_deltas(const np_shaping *shaping)
{
    np_shaping rest = *shaping;

    rest.scale = 1.0f;
    rest.invert_x = rest.invert_y = 0;
    return np_shaping_is_idle(&rest);
}

static float clamp(float value)
{
    return value > 1.0f ? 1.0f : value < -1.0f ? -1.0f : value;
}

static float signed_as(float amount, float sign)
{
    return sign < 0.0f ? 0.0f - amount : amount;
}

/* x to the power of a multiple of a quarter, by products and square roots alone. */
static float power_of(float x, float power)
{
    float result = 1.0f, whole = 1.0f;

    for (; power >= whole; power -= whole)
        result *= x;
    if (power >= 0.5f) {
        result *= sqrtf(x);
        power -= 0.5f;
    }
    return power >= 0.25f ? result * sqrtf(sqrtf(x)) : result;
}

static float piece(float x, const float from[2], const float to[2])
{
    if (to[0] <= from[0]) return to[1];
    return from[1] + (to[1] - from[1]) * ((x - from[0]) / (to[0] - from[0]));
}

static float along_curve(const np_shaping *shaping, float x)
{
    static const float begin[2] = {0.0f, 0.0f}, end[2] = {1.0f, 1.0f};
    const float *from = begin;

    for (unsigned i = 0; i < shaping->curve_count; i++) {
        if (x <= shaping->curve[i][0]) return piece(x, from, shaping->curve[i]);
        from = shaping->curve[i];
    }
    return x >= 1.0f ? 1.0f : piece(x, from, end);
}

/* A distance from rest, 0 to 1, through dead zone, curve, lift and scale. */
static float shape_distance(const np_shaping *shaping, float x)
{
    if (x <= shaping->inner) return 0.0f;
    if (x >= shaping->outer)
        x = 1.0f;
    else if (shaping->zone == NP_ZONE_RESCALED)
        x = (x - shaping->inner) / (shaping->outer - shaping->inner);
    if (shaping->power != 1.0f) x = power_of(x, shaping->power);
    if (shaping->curve_count) x = along_curve(shaping, x);
    if (x < 1e-30f) return 0.0f; /* no subnormals */
    if (shaping->lift != 0.0f) x = x >= 1.0f ? 1.0f : shaping->lift + (1.0f - shaping->lift) * x;
    return x * shaping->scale;
}

static float shape_axis(const np_shaping *shaping, float value)
{
    return signed_as(shape_distance(shaping, fabsf(value)), value);
}

static float larger(float a, float b)
{
    return a > b ? a : b;
}

/* A square gate's edge is drawn in to the circle, along the way from the middle; what is beyond the
 * circle of a round one comes to lie on it. */
static nplug_vec2 to_circle(nplug_vec2 value, bool square)
{
    float length = sqrtf(value.x * value.x + value.y * value.y), factor = 1.0f;

    if (length <= 0.0f) return value;
    if (square)
        factor = larger(fabsf(value.x), fabsf(value.y)) / length;
    else if (length > 1.0f)
        factor = 1.0f / length;
    value.x *= factor;
    value.y *= factor;
    return value;
}

static nplug_vec2 shape_plane(const np_shaping *shaping, nplug_vec2 value)
{
    float length = sqrtf(value.x * value.x + value.y * value.y), distance;

    if (shaping->zone == NP_ZONE_AXIAL) {
        value.x = shape_axis(shaping, value.x);
        value.y = shape_axis(shaping, value.y);
        return value;
    }
    if (length <= 0.0f) return value;
    /* Beyond the circle, the corner of a square gate keeps its distance.  Divided first, so that
     * what lies on an axis comes to exactly its distance. */
    distance = shape_distance(shaping, length > 1.0f ? 1.0f : length);
    if (length > 1.0f) length = 1.0f;
    value.x = value.x / length * distance;
    value.y = value.y / length * distance;
    return value;
}

static nplug_vec2 inverted(const np_shaping *shaping, nplug_vec2 value)
{
    if (shaping->invert_x) value.x = 0.0f - value.x;
    if (shaping->invert_y) value.y = 0.0f - value.y;
    return value;
}

nplug_vec2 np_shaped(const np_shaping *shaping, nplug_vec2 value, unsigned components, bool square)
{
    if (components == 1) {
        value.x = shape_axis(shaping, value.x);
    } else {
        if (shaping->to_circle) value = to_circle(value, square);
        value = shape_plane(shaping, value);
    }
    value.x = clamp(value.x);
    value.y = clamp(value.y);
    return inverted(shaping, value);
}

nplug_vec2 np_shaped_delta(const np_shaping *shaping, nplug_vec2 value)
{
    value.x *= shaping->scale;
    value.y *= shaping->scale;
    return inverted(shaping, value);
}

nplug_vec2 np_shaped_speed(const np_shaping *shaping, nplug_vec2 value, unsigned components,
                           bool square)
{
    np_shaping unscaled = shaping ? *shaping : np_shaping_none();
    float scale = NP_SPEED * unscaled.scale;

    unscaled.scale = 1.0f;
    value = np_shaped(&unscaled, value, components, square);
    value.x *= scale;
    value.y *= scale;
    return value;
}

float np_opposed(float low, float high, uint8_t rule, bool later)
{
    bool high_wins = rule == NPLUG_OPPOSITE_HIGH || (rule == NPLUG_OPPOSITE_LATEST && later) ||
                     (rule == NPLUG_OPPOSITE_FIRST && !later);

    if (low <= 0.0f || high <= 0.0f || rule == NPLUG_OPPOSITE_NEUTRAL) return high - low;
    return high_wins ? high : 0.0f - low;
}

static float travelled(float rate, nplug_time span)
{
    return rate * ((float)(span > 1000000000u ? 1000000000u : (uint32_t)span) / 1000000.0f);
}

float np_ramp_up(float from, float rate, nplug_time span)
{
    float to = rate <= 0.0f ? 1.0f : from + travelled(rate, span);
    return to > 1.0f ? 1.0f : to;
}

float np_ramp_down(float from, float rate, nplug_time span)
{
    float to = rate <= 0.0f ? 0.0f : from - travelled(rate, span);
    return to < 0.0f ? 0.0f : to;
}
