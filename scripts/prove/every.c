/* All 2^32 raw values of a few ranges: the value never falls, and rest and ends are exact. */
#include "core/base/base.h"
#include <stdio.h>

static const struct {
    int32_t low, rest, high;
} ranges[] = {{INT32_MIN, 0, INT32_MAX},
              {INT32_MIN, -77, INT32_MAX},
              {-32768, 0, 32767},
              {0, 128, 255},
              {-100000007, 12345, 200000033},
              {INT32_MIN, INT32_MAX, INT32_MAX}};

static int fails(int32_t low, int32_t rest, int32_t high)
{
    float last = -1.0f;

    for (int64_t raw = INT32_MIN; raw <= INT32_MAX; raw++) {
        float value = np_number_normal(low, rest, high, (int32_t)raw);
        int wrong = !(value >= last && value <= 1.0f) || (raw == rest && value != 0.0f) ||
                    (raw == high && rest < high && value != 1.0f) ||
                    (raw == low && low < rest && value != -1.0f);
        if (wrong)
            return printf("falls or is not exact at %lld: %g after %g\n", (long long)raw,
                          (double)value, (double)last);
        last = value;
    }
    return 0;
}

int main(void)
{
    for (unsigned i = 0; i < sizeof ranges / sizeof *ranges; i++) {
        printf("%d .. %d .. %d: ", ranges[i].low, ranges[i].rest, ranges[i].high);
        fflush(stdout);
        if (fails(ranges[i].low, ranges[i].rest, ranges[i].high)) return 1;
        printf("all 2^32 values rise, rest and ends exact\n");
    }
    return 0;
}
