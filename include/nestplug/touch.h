/* Touch surfaces: contacts, and the zones that make controls of them. */
#ifndef NESTPLUG_TOUCH_H
#define NESTPLUG_TOUCH_H

#include "control.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The kinds of zone. */
typedef enum nplug_zone_kind {
    NPLUG_ZONE_BUTTON = 0, /* pressed while a contact that began in it is down */
    NPLUG_ZONE_STICK = 1, /* two numbers in the unit circle: how far the contact is from the stick's
                             middle, as a share of `reach` */
    NPLUG_ZONE_DPAD = 2,  /* the same in eight directions: each number is -1, 0 or 1, and 0 within
                             a third of `reach` */
    NPLUG_ZONE_SLIDER = 3, /* a lever along the zone's longer side, 0 at its left or lower end: it
                              stays where it is put */
    NPLUG_ZONE_AREA = 4 /* movement, taps, swipes, and two fingers that part or turn: see below */
} nplug_zone_kind;

/* From where the place of a zone is counted: a corner or an edge of the safe part of the surface.
 * Distances are those between that corner or edge and the zone's nearest side, inwards.  Along an
 * edge, and in the middle, they are the zone's middle from the edge's, +x right and +y down. */
typedef enum nplug_corner {
    NPLUG_CORNER_TOP_LEFT = 0,
    NPLUG_CORNER_TOP = 1,
    NPLUG_CORNER_TOP_RIGHT = 2,
    NPLUG_CORNER_LEFT = 3,
    NPLUG_CORNER_MIDDLE = 4,
    NPLUG_CORNER_RIGHT = 5,
    NPLUG_CORNER_BOTTOM_LEFT = 6,
    NPLUG_CORNER_BOTTOM = 7,
    NPLUG_CORNER_BOTTOM_RIGHT = 8
} nplug_corner;

/* Flags of a zone. */
enum {
    NPLUG_ZONE_FLAG_MM = 1,     /* its numbers are millimetres; else shares of the safe part's width
                                   and height */
    NPLUG_ZONE_FLAG_ROUND = 2,  /* an ellipse within its sides; else a rectangle */
    NPLUG_ZONE_FLAG_LANDS = 4,  /* a stick or a d-pad: its middle is where the contact began */
    NPLUG_ZONE_FLAG_FOLLOWS = 8 /* likewise: the middle is drawn along when the contact goes further
                                   than `reach` */
};

/* The most zones that a game may have. */
#define NPLUG_ZONES_MAX 64u

/* A zone of a touch surface, which acts as a control.  A contact belongs to the zone in which it
 * began, until it ends: of several the one with the higher priority, else the one that stands
 * first. Only zones whose layer is on for a player who hears them (or, of unclaimed ones, for
 * NPLUG_NOBODY) take contacts.
 *
 * As a control, a zone is named in bindings by "zone:NAME".  An area makes several controls:
 *   zone:NAME          a motion in millimetres, +x right and +y up: how far its contacts moved, on
 *                      the average of all of them
 *   zone:NAME-tap      a button: pressed by one contact alone, until it ends; the press ends
 *                      cancelled as soon as the contact has gone 3 mm from where it began, or
 *                      another one joins.  With the gestures of bindings: `tap`, `double-tap`,
 *                      `hold=600` for a long press
 *   zone:NAME-swipe    a direction (.up, .down, .left, .right), pressed and let go as one contact
 *                      ends that was alone: within 500 ms, at least 10 mm from where it began, on
 *                      a way of which that is two thirds or more (measured in pieces of at least
 *                      2 mm, so that trembling does not count)
 *   zone:NAME-pinch    a level: by how much two contacts are further apart than as the second one
 *                      began, as a share of that; 1 where they are twice as far or more, -1 where
 *                      they are at one place
 *   zone:NAME-turn     a level: the sine of the angle by which two contacts have turned since
 *                      then, clockwise positive; 1 from a quarter turn on
 * 3 mm, 10 mm, 500 ms and two thirds were chosen, and tried on made-up strokes
 * (tests/action/test_strokes.c).
 *
 * A zone may stand for controls of other devices: `as` names one control of the zone's nature
 * ("pad:south", "pad:stick-left", "key:KeyE"), or for a stick or a d-pad four buttons, up, down,
 * left and right ("key:KeyW,key:KeyS,key:KeyA,key:KeyD").  Bindings of that control hear the zone
 * then, and "zone:NAME" is no name.  For an area, `as` names the control that its motion is
 * ("mouse:move").
 *
 * On a surface whose size nobody knows, 125 mm by 70 mm are taken (see nplug_set_surface).  Of more
 * than four surfaces at once, the fifth and later ones have no zones and tell no contacts
 * (NPLUG_LIMIT_ZONES). */
typedef struct nplug_zone_def {
    const char *name; /* 1 to 48 letters, digits, '-' and '_'; each once.  The caller's, as long as
                         the nest lives; the same for `as` */
    const char *as;   /* NULL: it is a control of its own */
    uint32_t kind;    /* an nplug_zone_kind */
    uint32_t layer;   /* the number of the game's layer in which it is */
    uint32_t part;    /* 0, or from 1 to NPLUG_PARTS_MAX: surfaces are divided into as many parts as
                         the highest number says, each of which joins and is claimed for itself */
    int32_t priority; /* of zones that overlap, the higher one has the contact */
    uint32_t corner;  /* an nplug_corner */
    uint32_t flags;   /* NPLUG_ZONE_FLAG_... */
    float x, y, width, height; /* see nplug_corner; width and height above 0 */
    float reach;       /* of a stick or a d-pad: from its middle to its end, above 0; 0: half of the
                          zone's shorter side.  In millimetres or, without
                          NPLUG_ZONE_FLAG_MM, a share of the shorter side of the safe part */
    uint32_t reserved; /* 0 */
} nplug_zone_def;

/* In place of a zone's number: none. */
#define NPLUG_NO_ZONE 0xffffffffu

/* A contact of the last step. */
typedef struct nplug_contact_facts {
    uint32_t size;         /* sizeof(nplug_contact_facts), set by the caller */
    nplug_device device;   /* the surface */
    uint32_t id;           /* its own number: contacts are counted from 1 on, over all surfaces */
    uint32_t finger;       /* which of the surface's contacts, from 1: "touch:contact-1" */
    uint32_t zone;         /* the zone that owns it; NPLUG_NO_ZONE: the game's */
    uint32_t players;      /* who hears it: bit 0 is player 1; 0: nobody has claimed the surface */
    nplug_vec2 start;      /* where it began: [0, 1] from the surface's top left */
    nplug_vec2 place;      /* where it is, or ended */
    nplug_vec2 way_mm;     /* from there to here in millimetres, +x right, +y up */
    nplug_time begin_time; /* when it began */
    nplug_time age_us;     /* how long it has lasted: up to the last step, or its end */
    float pressure;        /* [0, 1], as it was last; 1 where the hardware does not tell */
    bool began, ended;     /* in the last step */
    bool cancelled;        /* it ended, and no person lifted it */
    bool reserved;         /* false */
} nplug_contact_facts;

/* How many contacts there were in the last step, those that ended in it included. */
NPLUG_API uint32_t nplug_contact_count(const nplug_nest *nest);

/* Fills *facts with contact `index` (from 0), in the order in which they began.  NPLUG_ERR_UNKNOWN
 * past the end; NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_contact_info(const nplug_nest *nest, uint32_t index,
                                          nplug_contact_facts *facts);

/* How many zones the game has: their numbers are 0 to this one less 1. */
NPLUG_API uint32_t nplug_zone_count(const nplug_nest *nest);

/* A zone's number by name; NPLUG_NO_ZONE where there is none. */
NPLUG_API uint32_t nplug_zone_number(const nplug_nest *nest, const char *name);

/* A zone on one surface, for a game that draws it. */
typedef struct nplug_zone_facts {
    uint32_t size;         /* sizeof(nplug_zone_facts), set by the caller */
    uint32_t kind;         /* an nplug_zone_kind */
    const char *name;      /* the game's string */
    nplug_control control; /* the control that it is: the first of several */
    uint16_t reserved;     /* 0 */
    uint32_t layer;
    nplug_vec2 least;  /* its upper left: [0, 1] from the surface's top left */
    nplug_vec2 most;   /* its lower right */
    nplug_vec2 middle; /* of a stick or a d-pad: where its middle is now */
    nplug_vec2 knob;   /* where its knob is: the contact, at most `reach` away; of a slider where
                          it stands; else the zone's middle */
    nplug_vec2 value;  /* as players hear it */
    nplug_vec2 swipe_mm_s; /* of an area: the last swipe, in millimetres a second, +y up */
    uint32_t contacts;     /* how many it owns */
    uint32_t part;         /* of the surface; 0: the whole */
    uint32_t players;      /* who hears it: bit 0 is player 1; 0: nobody has claimed that part */
    float opacity;         /* as nplug_zone_wish says: [0, 1] */
    bool shown;            /* its layer is on for somebody who hears it, and it is not hidden */
    bool pressed;          /* a button's; of other kinds, whether it owns a contact */
    bool round;            /* NPLUG_ZONE_FLAG_ROUND */
    bool reserved_2[5];    /* false */
} nplug_zone_facts;

/* Fills *facts with a zone of the game on a surface.  NPLUG_ERR_UNKNOWN: no such zone, or the
 * device is no surface that has zones; NPLUG_ERR_STALE, NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_zone_info(const nplug_nest *nest, nplug_device device, uint32_t zone,
                                       nplug_zone_facts *facts);

/* Whether a game draws this zone now: its layer is on for a player who hears it, and that player's
 * active set (active.h) is a touch surface, or nothing yet, or the zone is always shown
 * (nplug_zone_wish).  Zones that are not drawn for that take contacts all the same, so that the
 * first touch brings them back.  False where there is no such zone. */
NPLUG_API bool nplug_zone_drawn(const nplug_nest *nest, nplug_device device, uint32_t zone);

/* When a zone is there. */
typedef enum nplug_zone_show {
    NPLUG_ZONE_SHOW_TOUCH = 0,  /* it is drawn for a player who plays by touch */
    NPLUG_ZONE_SHOW_ALWAYS = 1, /* it is drawn whatever its player uses */
    NPLUG_ZONE_SHOW_NEVER = 2   /* it is not drawn, and takes no contact */
} nplug_zone_show;

/* How a player wants a zone otherwise than the game has it: for a settings screen.  All surfaces
 * have it so.  At a table, each part has zones of its own. */
typedef struct nplug_zone_wish {
    uint32_t size;     /* sizeof(nplug_zone_wish) */
    uint32_t show;     /* an nplug_zone_show */
    nplug_vec2 move;   /* how far from the game's place, as a share of the safe part's width and
                          height: [-1, 1], +x right, +y down */
    float scale;       /* how many times as large, about its middle: 0.25 to 4 */
    float opacity;     /* for whoever draws it: [0, 1] */
    uint32_t reserved; /* 0 */
} nplug_zone_wish;

/* As the game has it, drawn for those who play by touch. */
static inline nplug_zone_wish nplug_zone_wish_default(void)
{
    nplug_zone_wish wish = {(uint32_t)sizeof(nplug_zone_wish), 0, {0.0f, 0.0f}, 1.0f, 1.0f, 0};
    return wish;
}

/* As nplug_zone_wish_default, as a real symbol: fills as much of *wish as `size` bytes hold.
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_zone_wish_init(nplug_zone_wish *wish, uint32_t size);

/* From the next step on, a zone is so; contacts that it owns stay as they began.  A zone that was
 * moved or scaled is kept within the safe part where it fits.  Numbers are kept to about a ten
 * thousandth, opacity to 1/255.  NPLUG_ERR_UNKNOWN: no such zone; NPLUG_ERR_ARGUMENT,
 * NPLUG_ERR_SIZE, NPLUG_ERR_FULL. */
NPLUG_API nplug_result nplug_set_zone(nplug_nest *nest, uint32_t zone, const nplug_zone_wish *wish);

/* Fills *wish with how a zone is since the last step.  NPLUG_ERR_UNKNOWN, NPLUG_ERR_ARGUMENT,
 * NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_zone_wish_info(const nplug_nest *nest, uint32_t zone,
                                            nplug_zone_wish *wish);

/* A surface: how large it is, and which part of it is safe (not behind a rounded corner or a bar).
 */
typedef struct nplug_surface {
    uint32_t size;                  /* sizeof(nplug_surface) */
    float width_mm;                 /* 1 to 6000; 0: not known */
    float height_mm;                /* likewise */
    float left, top, right, bottom; /* how much of each side is not safe, as a share, 0 to 0.4 */
} nplug_surface;

/* Where the game has a zone on a surface, in millimetres from its upper left: *least its upper
 * left, *most its lower right.  A surface of size 0 is 125 mm by 70 mm. */
NPLUG_API void nplug_zone_place(const nplug_zone_def *zone, const nplug_surface *surface,
                                nplug_vec2 *least, nplug_vec2 *most);

/* Fills *surface with a device's surface: as the game said, else as the hardware says.
 * NPLUG_ERR_UNKNOWN: the device is no surface; NPLUG_ERR_STALE, NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE.
 */
NPLUG_API nplug_result nplug_surface_info(const nplug_nest *nest, nplug_device device,
                                          nplug_surface *surface);

/* Says how large a device's surface is from the next step on: where the hardware does not tell, and
 * when it turns (width and height change places).  Its contacts end, marked cancelled.  Sizes are
 * kept to a tenth of a millimetre.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE, NPLUG_ERR_FULL,
 * NPLUG_ERR_STALE, NPLUG_ERR_UNKNOWN. */
NPLUG_API nplug_result nplug_set_surface(nplug_nest *nest, nplug_device device,
                                         const nplug_surface *surface);

/* The word for a number of an nplug_zone_kind: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_zone_kind_name(uint32_t number);

/* The word for a number of an nplug_zone_show: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_zone_show_name(uint32_t number);

/* The word for a number of an nplug_corner: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_corner_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
