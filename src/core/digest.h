/* Digests: values mixed in one by one as numbers of 64 bits, never struct memory. */
#ifndef NP_DIGEST_H
#define NP_DIGEST_H

#include "text.h"

typedef struct np_digest {
    uint64_t hash;
} np_digest;

void np_digest_u64(np_digest *digest, uint64_t value);
void np_digest_float(np_digest *digest, float value);

#endif
