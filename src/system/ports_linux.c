#include "nestplug/linux.h"
#include "ports.h"

size_t ns_ports_size(void)
{
    nplug_linux_setup setup = nplug_linux_setup_default();
    return nplug_linux_memory_needed(&setup);
}

void ns_ports_attach(nplug_nest *nest, void *block, const nplug_setup *setup)
{
    nplug_linux_setup linux_setup = nplug_linux_setup_default();
    nplug_linux *port = nplug_linux_open(&linux_setup, block, ns_ports_size());

    if (nplug_linux_attach(port, nest) != NPLUG_OK && setup->log)
        setup->log(setup->log_user,
                   "this system shows no input devices (/dev/input): none is read");
}
