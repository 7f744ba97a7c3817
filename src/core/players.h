/* Players: who has a seat, which players hear which part, and who comes back to whom. */
#ifndef NP_PLAYERS_H
#define NP_PLAYERS_H

#include "bindings.h"
#include "sources.h"

/* A device's parts: the first place is the whole of it, or what belongs to no part where it has
 * some.  Bit p - 1 is player p.  Of a device that has gone: who waits for it. */
typedef struct np_part {
    uint16_t hearers[NPLUG_PARTS_MAX + 1];
    uint16_t quiet; /* they use another set, and only that one drives them */
    uint8_t parts;  /* how many; 0: it is one whole */
    bool ignored;   /* nobody hears it, player 0 included */
} np_part;

typedef struct np_players {
    np_part *parts;       /* by device */
    uint32_t seated;      /* bit by player */
    uint32_t limit;       /* the most players of the game */
    uint32_t join, leave; /* actions that seat a player and end that, or NP_NO_INDEX */
    nplug_seat_rule rule;
} np_players;

void np_players_layout(np_players *players, np_carve *carve, const nplug_limits *limits);
void np_players_begin(nplug_nest *nest);

/* Whether what the game says of seats and parts is sound; the log says what is not. */
bool np_players_check(const nplug_nest *nest);

/* Whose a control is, whether it drives them now or not; 0: nobody's. */
static inline uint32_t np_players_claiming(const np_players *players, const np_control *control)
{
    return (uint32_t)players->parts[control->device].hearers[control->part] << 1;
}

/* Who hears a control, bit p is player p: an unclaimed one is heard by player 0, nobody; a key that
 * is in no part by none at all. */
static inline uint32_t np_players_hearing(const np_players *players, const np_control *control)
{
    const np_part *part = &players->parts[control->device];
    uint32_t claiming = np_players_claiming(players, control);

    if (claiming) return claiming & ~((uint32_t)part->quiet << 1);
    return !part->ignored && (control->part || !part->parts);
}

/* Who hears any part of a device. */
uint32_t np_players_of(const np_players *players, uint32_t device);

/* A device's place is given to a new one: nobody hears that, and who waited for what was there has
 * waited too long. */
void np_players_forget(nplug_nest *nest, uint32_t device, nplug_time time);

/* The controls of a device that was built are dealt out to its parts. */
void np_players_divide(nplug_nest *nest, uint32_t device);

/* A device came, which was `gone` before (NP_NONE: new): to who misses that, to the set that it
 * belongs to, or as the rule for seats says. */
void np_players_arrive(nplug_nest *nest, uint32_t device, uint32_t gone);

/* A device has gone, with all that it held let go of: who heard it waits; and has waited too long.
 */
void np_players_depart(nplug_nest *nest, uint32_t device, nplug_time time);
void np_players_waited(nplug_nest *nest, uint32_t device, nplug_time time);

/* Hears a press: on an unclaimed part it may seat a player, and is spent. */
void np_players_hear(nplug_nest *nest, const np_change *change, np_edge edge);

/* Hears an action that was pressed: it may seat a player, or be the wish to leave. */
void np_players_act(nplug_nest *nest, uint32_t player, uint32_t action, const np_change *change);

/* Only its active set drives a player, which this device is of (or is not). */
void np_players_quieten(nplug_nest *nest, uint32_t device, uint32_t player, bool quiet,
                        nplug_time time);

/* A device's own lights show whose it is. */
void np_players_light(nplug_nest *nest, uint32_t device);

void np_players_leave(nplug_nest *nest, uint32_t player, nplug_time time, uint16_t flags);

/* Commands. */
void np_players_claim(nplug_nest *nest, const nplug_command *command, nplug_time time);
void np_players_yield(nplug_nest *nest, const nplug_command *command, nplug_time time);
void np_players_ignore(nplug_nest *nest, const nplug_command *command, nplug_time time);
void np_players_join(nplug_nest *nest, const nplug_command *command, nplug_time time);
void np_players_swap(nplug_nest *nest, const nplug_command *command, nplug_time time);

#endif
