#include "ports.h"

size_t ns_ports_size(void)
{
    return 0;
}

void ns_ports_attach(nplug_nest *nest, void *block, const nplug_setup *setup)
{
    (void)nest;
    (void)block;
    (void)setup;
}
