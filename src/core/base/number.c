/* Numbers that are the same on every target.
 *
 * Owns nothing.  Comes in: a range and a raw value.  Goes out: -1 to 1, 0 at rest. */
#include "core/base/base.h"

/* A part of a width, 0 to 1.  Neither test can fire for what np_number_normal hands over; with them
 * the range is proved by intervals alone (scripts/prove). */
static float share(uint32_t part, uint32_t width)
{
    float value;

    if (width == 0) return 0.0f;
    value = (float)part / (float)width;
    return value > 1.0f ? 1.0f : value;
}

float np_number_normal(int32_t low, int32_t rest, int32_t high, int32_t raw)
{
    if (low >= high) return 0.0f;
    if (rest < low) rest = low;
    if (rest > high) rest = high;
    if (raw > rest) {
        if (raw >= high) return rest < high ? 1.0f : 0.0f;
        return share((uint32_t)raw - (uint32_t)rest, (uint32_t)high - (uint32_t)rest);
    }
    if (raw < rest) {
        if (raw <= low) return rest > low ? -1.0f : 0.0f;
        return -share((uint32_t)rest - (uint32_t)raw, (uint32_t)rest - (uint32_t)low);
    }
    return 0.0f;
}

int32_t np_number_middle(int32_t low, int32_t high)
{
    return (int32_t)(((int64_t)low + (int64_t)high + 1) >> 1);
}
