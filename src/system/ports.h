/* This system's ports, behind the nest in its block. */
#ifndef NS_PORTS_H
#define NS_PORTS_H

#include "nestplug/system.h"

/* Bytes that the ports need. */
size_t ns_ports_size(void);

/* Opens and attaches them; what cannot be attached is said in the log, and the nest goes on. */
void ns_ports_attach(nplug_nest *nest, void *block, const nplug_setup *setup);

#endif
