/* Hashes of bytes and digests of numbers.
 *
 * Owns nothing.  Comes in: bytes, numbers.  Goes out: 64 bits. */
#include "core/base/base.h"
#include <string.h>

uint64_t np_hash(uint64_t hash, const void *bytes, size_t count)
{
    const unsigned char *at = (const unsigned char *)bytes;
    for (size_t i = 0; i < count; i++)
        hash = (hash ^ at[i]) * UINT64_C(0x100000001b3);
    return hash;
}

/* Numbers, not bytes, are mixed: so byte order has no say. */
void np_digest_u64(np_digest *digest, uint64_t value)
{
    uint64_t hash = (digest->hash ^ value) * UINT64_C(0x9e3779b97f4a7c15);
    digest->hash = hash ^ (hash >> 29);
}

void np_digest_float(np_digest *digest, float value)
{
    uint32_t bits;

    memcpy(&bits, &value, sizeof bits);
    np_digest_u64(digest, bits);
}
