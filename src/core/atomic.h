/* The two atomic operations that a ring needs.  Without a compiler that has them, plain reads and
 * writes: then a port may only push from the nest's own thread. */
#ifndef NP_ATOMIC_H
#define NP_ATOMIC_H

#include <stdint.h>

#if defined(__GNUC__)
#define np_load_acquire(from)       __atomic_load_n((from), __ATOMIC_ACQUIRE)
#define np_store_release(to, value) __atomic_store_n((to), (value), __ATOMIC_RELEASE)
#else
#define np_load_acquire(from)       (*(from))
#define np_store_release(to, value) (*(to) = (value))
#endif

#endif
