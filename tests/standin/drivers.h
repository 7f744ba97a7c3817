/* Hardware for the kernel's own drivers: what each binds to, made up of bytes, and everything that
 * can be pressed on it. */
#ifndef GUEST_DRIVERS_H
#define GUEST_DRIVERS_H

#include "plug.h"

/* One thing that can be pressed: these bits of the driver's report (or of a packet on its line). */
typedef struct thing {
    char what[24];       /* what the hardware calls it */
    uint8_t at;          /* which byte */
    uint8_t mask, value; /* the bits, and what they are while it is pressed */
    const char *control; /* what that is by the driver's source or the kernel's documentation, with
                            its way ("pad:stick-left.x+"); NULL where neither says */
    bool unread;         /* nothing is to move */
    uint8_t next;        /* not 0: the byte after it is that, too */
    uint8_t packet;      /* on a line: which of the driver's packets */
} thing;

typedef struct driver {
    const char *numbers; /* "054c:0ce6" */
    const char *how;     /* how it is brought up */
    uint16_t bus, vendor, product;
    const thing *things;
    uint32_t count;
    const char *unread; /* why some things move nothing */
} driver;

const driver *driver_list(uint32_t *count);
void driver_plug(const driver *driver);
void driver_unplug(const driver *driver);
/* Presses a thing or lets go of it; NULL: says how all of it lies. */
void driver_press(const driver *driver, const thing *thing, bool down);

#endif
