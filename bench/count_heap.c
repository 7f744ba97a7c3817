#include "count_heap.h"
#include <errno.h>
#include <stddef.h>
#include <stdlib.h>

/* The C library's own, by the names under which it offers them to whoever interposes. */
void *__libc_malloc(size_t size);
void *__libc_calloc(size_t count, size_t size);
void *__libc_realloc(void *block, size_t size);
void *__libc_memalign(size_t alignment, size_t size);
void __libc_free(void *block);

static unsigned long calls;

unsigned long bench_heap_calls(void)
{
    return calls;
}

void *malloc(size_t size)
{
    calls++;
    return __libc_malloc(size);
}

void *calloc(size_t count, size_t size)
{
    calls++;
    return __libc_calloc(count, size);
}

void *realloc(void *block, size_t size)
{
    calls++;
    return __libc_realloc(block, size);
}

void *aligned_alloc(size_t alignment, size_t size)
{
    calls++;
    return __libc_memalign(alignment, size);
}

int posix_memalign(void **block, size_t alignment, size_t size)
{
    calls++;
    *block = __libc_memalign(alignment, size);
    return *block ? 0 : ENOMEM;
}

void free(void *block)
{
    calls++;
    __libc_free(block);
}
