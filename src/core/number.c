#include "number.h"

float np_number_normal(int32_t low, int32_t rest, int32_t high, int32_t raw)
{
    if (low >= high) return 0.0f;
    if (rest < low) rest = low;
    if (rest > high) rest = high;
    if (raw > rest) {
        if (raw >= high) return 1.0f;
        return (float)((uint32_t)raw - (uint32_t)rest) / (float)((uint32_t)high - (uint32_t)rest);
    }
    if (raw < rest) {
        if (raw <= low) return -1.0f;
        return -((float)((uint32_t)rest - (uint32_t)raw) / (float)((uint32_t)rest - (uint32_t)low));
    }
    return 0.0f;
}

int32_t np_number_middle(int32_t low, int32_t high)
{
    return (int32_t)(((int64_t)low + (int64_t)high + 1) >> 1);
}
