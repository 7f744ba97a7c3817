/* The core alone: no files, no system, no heap. */
#include <nestplug/nest.h>
#include <stdio.h>

int main(void)
{
    static union {
        char bytes[1u << 20];
        long double aligned;
    } block;
    nplug_setup setup = nplug_setup_default();
    nplug_nest *nest;
    nplug_result result = nplug_open(&setup, &block, sizeof block, &nest);

    printf("core: %s\n", nplug_result_text(result));
    return nplug_step(nest, 1) == NPLUG_OK ? 0 : 1;
}
