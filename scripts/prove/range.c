/* For Frama-C's EVA: whatever range, rest and raw value, the result is finite and within [-1, 1];
 * no division by zero, no overflow, no conversion out of range. */
#include "../../src/core/base/number.c"
#include <__fc_builtin.h> /* Frama-C's own */
#include <limits.h>

int main(void)
{
    int low = Frama_C_interval(INT_MIN, INT_MAX), rest = Frama_C_interval(INT_MIN, INT_MAX);
    int high = Frama_C_interval(INT_MIN, INT_MAX), raw = Frama_C_interval(INT_MIN, INT_MAX);
    float value = np_number_normal(low, rest, high, raw);

    /*@ assert finite: \is_finite(value); */
    /*@ assert within: -1.0f <= value <= 1.0f; */
    return value > 0.0f;
}
