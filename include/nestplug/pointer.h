/* Pointing: where a player points, by mouse, pen or finger alike. */
#ifndef NESTPLUG_POINTER_H
#define NESTPLUG_POINTER_H

#include "control.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Where a player points, and whether that is pressed: so a game does one hit test, and one action
 * serves click and tap.  In bindings the press is "pointer:press": a mouse's left button, and on a
 * touch surface a contact that no zone owns (touch.h).  "pointer:press on-release" is heard as the
 * button or the finger is let go, "pointer:press hold=600" after a long press.
 *
 * Of several such contacts at once the first one points, until it ends; the others do not.  A
 * contact that belongs to a part of a surface is of a zone, so nobody points on a surface that is
 * claimed in parts: such a game asks for contacts (nplug_contact_info).
 *
 * Of the devices that a player hears, the pointer is of the active set (active.h), where that has
 * one; else it is the one that said something last.  A mouse has a place where its port knows it: a
 * game's window says so (nplug_window_point), and so do tablets and displays whose hardware counts
 * from a corner. */
typedef struct nplug_pointer_facts {
    uint32_t size;            /* sizeof(nplug_pointer_facts), set by the caller */
    nplug_device device;      /* by which */
    uint32_t kind;            /* an nplug_device_kind: a mouse or a touch surface */
    uint32_t contact;         /* of a surface, the id of the contact that points; 0: none does */
    nplug_vec2 place;         /* [0, 1] from the top left of the window or the surface: where it is,
                                 or was last */
    nplug_vec2 press_place;   /* where it was at its last press; (0, 0) before the first */
    nplug_vec2 release_place; /* likewise at its last release */
    nplug_time press_time;    /* of its last press; 0 before the first */
    nplug_time release_time;  /* likewise */
    float pressure;           /* [0, 1]; 1 where the hardware does not tell, and it is down */
    bool down;                /* it is pressed */
    bool hovers;              /* it is not, and yet shows where: a mouse of the active set, or a pen
                                 near its surface */
    bool cancelled;           /* the last release was no person's: no click */
    bool reserved;            /* false */
} nplug_pointer_facts;

/* Fills *facts with where a player, or NPLUG_NOBODY (of devices that nobody has claimed), points.
 * NPLUG_ERR_UNKNOWN: the player has nothing that points; NPLUG_ERR_ARGUMENT: no such player;
 * NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_pointer_info(const nplug_nest *nest, nplug_player player,
                                          nplug_pointer_facts *facts);

#ifdef __cplusplus
}
#endif
#endif
