/* Sets of players: bit p of a number is player p. */
#ifndef NP_BITS_H
#define NP_BITS_H

#include <stdint.h>

/* The lowest one of a set that is not empty; a set is walked by this and np_bits_rest until it is.
 * The lowest bit times a de Bruijn sequence of order 5 has its place in the upper five bits. */
static inline uint32_t np_bits_lowest(uint32_t set)
{
    static const uint8_t places[32] = {0,  1,  28, 2,  29, 14, 24, 3,  30, 22, 20,
                                       15, 25, 17, 4,  8,  31, 27, 13, 23, 21, 19,
                                       16, 7,  26, 12, 18, 6,  11, 5,  10, 9};

    return places[(set & (0u - set)) * 0x077cb531u >> 27];
}

/* A set without its lowest one. */
static inline uint32_t np_bits_rest(uint32_t set)
{
    return set & (set - 1u);
}

#endif
