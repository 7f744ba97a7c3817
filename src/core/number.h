/* Numbers that are the same on every target: single precision, no contraction, no wider steps. */
#ifndef NP_NUMBER_H
#define NP_NUMBER_H

#include <stdint.h>

#if defined(__FAST_MATH__)
#error "build Nest Plug's core without -ffast-math: its values must be the same everywhere"
#endif
#if defined(__FLT_EVAL_METHOD__) && __FLT_EVAL_METHOD__ != 0
#error "build Nest Plug's core with single precision kept (32-bit x86: -msse2 -mfpmath=sse)"
#endif

/* low -> -1, rest -> 0, high -> 1 in two straight pieces, clamped; any raw value, any range.  A
 * side without width gives 0.  low >= high gives 0. */
float np_number_normal(int32_t low, int32_t rest, int32_t high, int32_t raw);

/* The middle of a range: where an axis rests whose sheet does not say.  0..255 gives 128. */
int32_t np_number_middle(int32_t low, int32_t high);

#endif
