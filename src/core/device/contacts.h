/* Contacts: which fingers are on touch surfaces (contacts.c).  A part of device.h. */
#ifndef NP_CONTACTS_H
#define NP_CONTACTS_H

/* Contacts that a surface may have, and surfaces whose contacts are followed. */
#define NP_FINGERS  16u
#define NP_SURFACES 4u

/* How far apart the marks of a contact's path are, in millimetres. */
#define NP_MARKS 2.0f

enum { NP_CONTACT_BEGAN = 1, NP_CONTACT_ENDED = 2, NP_CONTACT_CANCELLED = 4 };

/* Places are shares of the surface from its upper left. */
typedef struct np_contact {
    nplug_time begin, last;
    uint32_t id; /* 0: a free place */
    uint16_t device;
    uint8_t finger, flags;
    nplug_vec2 start, place;
    nplug_vec2 mark; /* where it was, at least NP_MARKS from the mark before */
    float path;      /* how far that is along all marks, in millimetres */
} np_contact;

/* The wires of a finger: where it is, whether it is there, and how hard it presses. */
enum { NP_FINGER_X, NP_FINGER_Y, NP_FINGER_DOWN, NP_FINGER_PRESSURE, NP_FINGER_WIRES };
#define NP_NO_WIRE 0xffffu

typedef struct np_surface {
    float width, height; /* millimetres */
    float safe[4];       /* what is not safe: left, top, right, bottom, as a share */
    uint32_t ignored; /* bit by finger: its contact was ended for it, and it was not lifted yet */
    uint16_t device;
    bool used, known;
    uint16_t pointing;  /* the contact that points; NP_NO_WIRE: none */
    nplug_vec2 pointed; /* where it was, as it was last heard */
    uint16_t wires[NP_FINGERS + 1][NP_FINGER_WIRES];
    uint16_t contact[NP_FINGERS + 1]; /* by finger: its contact; NP_NO_WIRE: none */
} np_surface;

typedef struct np_contacts {
    np_contact *list;
    uint32_t limit;
    uint32_t ids; /* contacts so far; 0: there was none */
    bool edges;   /* some began or ended in this step */
    np_surface surfaces[NP_SURFACES];
} np_contacts;

/* A finger of a surface, as its signals say. */
typedef struct np_finger {
    uint32_t device, number; /* from 1 */
    nplug_vec2 place;
    nplug_time time;
    bool down, cancelled;
} np_finger;

/* What a finger came to. */
typedef struct np_touched {
    const np_surface *surface; /* of which it is */
    uint32_t contact;          /* NP_NONE: nothing happened */
    nplug_vec2 from;           /* where it was, if it moved */
    uint32_t later; /* bit by finger: of the same surface and moment, those still to be heard */
    bool began, moved, ended;
    bool full; /* there is no room for one more */
} np_touched;

void np_contacts_layout(np_contacts *contacts, np_arena *arena, const nplug_limits *limits);

/* A step begins: those that ended in the last one are over. */
void np_contacts_begin_step(np_contacts *contacts);

/* A finger says something. */
void np_contacts_hear(np_contacts *contacts, const np_finger *finger, np_touched *touched);

/* Likewise a finger that neither comes nor goes: whether its contact has moved from somewhere. */
bool np_contacts_glide(np_device_room *room, const np_surface *surface, uint32_t number,
                       nplug_time time, np_touched *touched);

/* A contact that no zone has: 1 where it points from now on, -1 where it does no more. */
int np_contacts_point(np_contacts *contacts, const np_touched *touched);

/* All contacts of a surface end, and no person lifted them. */
void np_contacts_cancel(np_contacts *contacts, uint32_t device, nplug_time time);

/* Surfaces come, and go when their contacts have ended; a command says how large one is. */
void np_surfaces_add(np_device_room *room, uint32_t device);
void np_surfaces_drop(np_contacts *contacts, uint32_t device);
void np_surfaces_set(np_contacts *contacts, uint32_t device, const nplug_command *command);
const np_surface *np_surface_of(const np_contacts *contacts, uint32_t device);
np_surface np_surface_sized(float width, float height);

/* What a surface's signals say of a finger now; false where the surface has no such finger. */
bool np_finger_look(const np_device_room *room, uint32_t device, uint32_t number,
                    np_finger *finger);

/* How hard a finger presses: [0, 1]; 1 where the hardware does not tell. */
float np_finger_pressure(const np_device_room *room, uint32_t device, uint32_t number);

/* The contact that a finger makes; NP_NONE.  And by its place in the order in which they began. */
uint32_t np_contacts_find(const np_contacts *contacts, uint32_t device, uint32_t finger);
uint32_t np_contacts_nth(const np_contacts *contacts, uint32_t index);

/* How far a contact is from where it began: millimetres, +x right, +y up. */
nplug_vec2 np_contact_way(const np_contacts *contacts, const np_contact *contact);

#endif
