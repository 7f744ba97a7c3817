/* The allocator of the whole process, counted: malloc and its kin are interposed. */
#ifndef BENCH_COUNT_HEAP_H
#define BENCH_COUNT_HEAP_H

/* How often malloc, calloc, realloc, aligned_alloc, posix_memalign and free were called so far. */
unsigned long bench_heap_calls(void);

#endif
