/* Structs of the caller's, of any released size: see NPLUG_SIZED in base.h.
 *
 * Owns nothing.  Comes in: a struct that begins with its size.  Goes out: a whole one of this
 * version's, and the part of it that the caller knows. */
#include "core/base/base.h"
#include <string.h>

/* No struct of any version is larger than this: who says so has not set its size. */
#define MOST 65536u

static uint32_t size_of(const void *object)
{
    uint32_t size;

    memcpy(&size, object, sizeof size);
    return size;
}

bool np_size_take(void *to, size_t known, const void *from, size_t first)
{
    const unsigned char *bytes = (const unsigned char *)from;
    uint32_t size = size_of(from), own = (uint32_t)known;

    if (size < first || size > MOST) return false;
    for (size_t i = known; i < size; i++)
        if (bytes[i] != 0) return false;
    memcpy(to, from, size < known ? size : known);
    memcpy(to, &own, sizeof own);
    return true;
}

/* Not inlined: in a caller whose struct the compiler sees, the compiler warns of sizes that the
 * struct's own member never says. */
__attribute__((noinline)) nplug_result np_size_give(void *to, size_t first, const void *from,
                                                    size_t known)
{
    uint32_t size = size_of(to);

    if (size < first || size > MOST) return NPLUG_ERR_SIZE;
    memcpy(to, from, size < known ? size : known);
    if (size > known) memset((unsigned char *)to + known, 0, size - known);
    memcpy(to, &size, sizeof size);
    return NPLUG_OK;
}
