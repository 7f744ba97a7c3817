/* Players: who has a seat, which players hear which part, and who comes back to whom. */
#ifndef NP_PLAYERS_H
#define NP_PLAYERS_H

#include "bindings.h"
#include "sources.h"

/* A part of a device: so far the whole of it.  Bit p of `hearers` is player p; 0 is nobody's. */
typedef struct np_part {
    uint32_t hearers;
    bool ignored; /* nobody hears it, player 0 included */
} np_part;

/* A device that went while somebody heard it. */
typedef struct np_missing {
    uint64_t identity; /* 0: a free place */
    uint32_t hearers;
} np_missing;

typedef struct np_players {
    np_part *parts; /* by device */
    np_missing *missing;
    uint32_t missing_limit, missing_next;
    uint32_t seated; /* bit by player */
    uint32_t limit;  /* the most players of the game */
    nplug_seat_rule rule;
} np_players;

void np_players_layout(np_players *players, np_carve *carve, const nplug_limits *limits);
void np_players_begin(np_players *players, const np_game *game);

/* Who hears a device's part: an unclaimed one is heard by player 0, nobody. */
static inline uint32_t np_players_hearing(const np_players *players, uint32_t device)
{
    uint32_t hearers = players->parts[device].hearers;
    return hearers ? hearers : !players->parts[device].ignored;
}

/* A device came: to its player if it was missed, to the desk's, or to the only one. */
void np_players_arrive(nplug_nest *nest, uint32_t device);

/* A device goes; it has let go of everything already. */
void np_players_depart(nplug_nest *nest, uint32_t device);

/* Hears a press: on an unclaimed part it may seat a new player, and is spent. */
void np_players_hear(nplug_nest *nest, const np_change *change, np_edge edge);

/* Commands. */
void np_players_claim(nplug_nest *nest, const nplug_command *command, nplug_time time);
void np_players_yield(nplug_nest *nest, const nplug_command *command, nplug_time time);
void np_players_leave(nplug_nest *nest, const nplug_command *command, nplug_time time);
void np_players_ignore(nplug_nest *nest, const nplug_command *command, nplug_time time);
void np_players_join(nplug_nest *nest, const nplug_command *command, nplug_time time);

#endif
