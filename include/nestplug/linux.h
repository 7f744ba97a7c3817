/* The linux port: real hardware through the Linux kernel's input interface (/dev/input/event*). */
#ifndef NESTPLUG_LINUX_H
#define NESTPLUG_LINUX_H

#include "port.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Devices that a setup may ask for, beside pads, sticks, wheels, touch surfaces and all else that
 * is neither keyboard nor mouse, which are always read.  Ask for keyboards and mice only where no
 * window of the game gives them: read here, they are heard even while the person types into another
 * window. */
enum { NPLUG_LINUX_KEYBOARDS = 1, NPLUG_LINUX_MICE = 2 };

/* How the port is to run. */
typedef struct nplug_linux_setup {
    uint32_t size;      /* sizeof(nplug_linux_setup) */
    uint32_t also;      /* NPLUG_LINUX_KEYBOARDS, NPLUG_LINUX_MICE */
    const char *folder; /* where the nodes are: "/dev/input"; the caller's, valid until opened */
    uint32_t nodes;     /* the most nodes at once */
    bool own_thread;    /* reads in a thread of its own; else whenever the nest steps */
    bool reserved[3];   /* false */
} nplug_linux_setup;

/* Pads and the like, read whenever the nest steps. */
static inline nplug_linux_setup nplug_linux_setup_default(void)
{
    nplug_linux_setup setup = {
        (uint32_t)sizeof(nplug_linux_setup), 0, "/dev/input", 48, false, {false}};
    return setup;
}

/* The port's state. */
typedef struct nplug_linux nplug_linux;

/* Bytes that a port with this setup needs; 0 where the setup is impossible. */
NPLUG_API size_t nplug_linux_memory_needed(const nplug_linux_setup *setup);

/* Opens a port in the caller's block (aligned as malloc's).  No file is opened before it is
 * attached. NULL where the block is too small or NULL, or the setup impossible. */
NPLUG_API nplug_linux *nplug_linux_open(const nplug_linux_setup *setup, void *block, size_t size);

/* Attaches it to one nest; the block stays the caller's until it is detached or the nest closes.
 * NPLUG_ERR_FILE where there is no such folder; else as nplug_attach. */
NPLUG_API nplug_result nplug_linux_attach(nplug_linux *port, nplug_nest *nest);

/* Its table of functions, for whoever puts a port of their own in front of it: which one depends on
 * own_thread. */
NPLUG_API const nplug_port *nplug_linux_port(const nplug_linux *port);

/* The nodes that the port found when it last looked. */
typedef struct nplug_linux_facts {
    uint32_t size;        /* sizeof(nplug_linux_facts), set by the caller */
    uint32_t open;        /* nodes that are read */
    uint32_t unreadable;  /* that are there but may not be read: add the person to the system's
                             group for input devices, or give an access rule; their devices say
                             `unreadable` */
    uint32_t passed_over; /* that nobody asked for: keyboards, mice */
    bool has_folder;      /* there is such a folder */
    bool reserved[3];     /* false */
} nplug_linux_facts;

/* Fills *facts; before the first step nothing was found yet.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE.
 */
NPLUG_API nplug_result nplug_linux_info(const nplug_linux *port, nplug_linux_facts *facts);

#ifdef __cplusplus
}
#endif
#endif
