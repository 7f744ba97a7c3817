/* Players: who has a seat, who hears which part of which device, and what each player used last.
 *
 * Comes in: devices that come and go, presses, movements, wishes of the game.  Goes out: who hears
 * a control; events of seats, claims and active sets.  Whatever changes who hears a control is told
 * as a row of changes: the corridor makes them one by one, with all that follows. */
#ifndef NP_PLAYER_H
#define NP_PLAYER_H

#include "core/game/game.h"
#include "nestplug/active.h"
#include "nestplug/player.h"

/* One change on its way through the edge lane: what the later stages need to know of it. */
typedef struct np_change {
    nplug_time time;
    uint32_t control; /* place of the control, or NP_NONE */
    nplug_device device;
    nplug_control id;
    bool cancelled; /* no person did it */
} np_change;

typedef struct np_player_room np_player_room;

/* --- what changes ---------------------------------------------------------------------------- */

typedef enum np_news_kind {
    NP_NEWS_HEARERS,    /* a part is heard by others from now on */
    NP_NEWS_ANEW,       /* the same hear a part, and those who leave begin anew there */
    NP_NEWS_SUPPRESSED, /* a device drives a player no more, or again */
    NP_NEWS_IGNORED,    /* nobody hears a device any more, or whoever may does */
    NP_NEWS_LEFT,       /* a player leaves, who hears nothing any more */
    NP_NEWS_SETTLED,    /* of a device of an active set, no axis begins a movement */
    NP_NEWS_PARKED      /* a lever is parked where it says next that it is */
} np_news_kind;

/* What is about to change, decided and not yet done. */
typedef struct np_news {
    uint8_t kind; /* an np_news_kind */
    uint8_t part, player;
    bool on;
    uint16_t device, control;
    uint16_t leaving, joining; /* who hears the part no more, and who does: bit p - 1 is player p */
    uint16_t flags;            /* of the event that says so */
} np_news;

/* --- who hears what (players.c) --------------------------------------------------------------- */

/* A device's parts: the first place is the whole of it, or what belongs to no part where it has
 * some.  Bit p - 1 is player p.  Of a device that has gone: who waits for it. */
typedef struct np_part {
    uint16_t hearers[NPLUG_PARTS_MAX + 1];
    uint16_t suppressed; /* they use another set, and only that one drives them */
    uint8_t parts;       /* how many; 0: it is one whole */
    bool ignored;        /* nobody hears it, player 0 included */
} np_part;

typedef struct np_players {
    np_part *parts;       /* by device */
    uint32_t seated;      /* bit by player */
    uint32_t limit;       /* the most players of the game */
    uint32_t join, leave; /* actions that seat a player and end that, or NP_NO_INDEX */
    nplug_seats rule;
    uint8_t main;      /* which hand is the dominant one: an nplug_device_kind */
    bool main_follows; /* whichever is used */
} np_players;

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

    if (claiming) return claiming & ~((uint32_t)part->suppressed << 1);
    return !part->ignored && (control->part || !part->parts);
}

/* Who hears any part of a device. */
uint32_t np_players_of(const np_players *players, uint32_t device);

/* Whether somebody misses a device that has gone; who does, as np_devices_miss has it; and that
 * this was brought to the devices. */
bool np_players_miss(const np_player_room *room, uint32_t device);
uint64_t np_players_missing(const np_player_room *room, uint32_t device);
void np_players_told_missing(np_player_room *room);

/* The devices that a player hears, by place from 0, and how many; whether a seated player has
 * none. */
uint32_t np_players_device(const np_player_room *room, uint32_t player, uint32_t place);
uint32_t np_players_devices(const np_player_room *room, uint32_t player);
bool np_players_waits(const np_player_room *room, uint32_t player);

/* The device, by its place among those that a player misses; NP_NONE. */
uint32_t np_players_missed(const np_player_room *room, uint32_t player, uint32_t place);

/* A game begins. */
void np_players_begin(np_player_room *room);

/* Hears a press of a hand: where the dominant one is whichever is used, it asks to be that. */
void np_players_hear_hand(np_player_room *room, const np_change *change, np_edge edge);

/* Command: which hand is the dominant one. */
void np_players_set_main(np_player_room *room, const nplug_command *command);

/* A device was built: how many parts it has; and which of them a control is in. */
void np_players_divide(np_player_room *room, uint32_t device);
uint8_t np_players_part_of(const np_player_room *room, uint32_t control);

/* Hears a press: on an unclaimed part it may ask for a seat; whether it is spent by that. */
bool np_players_hear(np_player_room *room, const np_change *change, np_edge edge);

/* A device that has gone for good: who heard it waits; one of them is told. */
void np_players_depart(np_player_room *room, uint32_t device, nplug_time time);
void np_players_tell_waiting(np_player_room *room, uint32_t device, uint32_t player,
                             nplug_time time);

/* What is decided as news:
 * - a device came, which was `gone` before (NP_NONE: new): to who misses that, to the set that it
 *   belongs to, or as the rule for seats says;
 * - who waited for a device has waited too long;
 * - the place of one that has gone is given away. */
void np_players_arrive(np_player_room *room, uint32_t device, uint32_t gone, nplug_time time);
void np_players_waited(np_player_room *room, uint32_t device);
void np_players_forget(np_player_room *room, uint32_t device);

/* Commands, likewise.  Ignore: false where nothing changes. */
void np_players_claim(np_player_room *room, const nplug_command *command, nplug_time time);
void np_players_unclaim(np_player_room *room, const nplug_command *command);
bool np_players_ignore(np_player_room *room, const nplug_command *command);
void np_players_join(np_player_room *room, const nplug_command *command, nplug_time time);
void np_players_leave(np_player_room *room, uint32_t player, uint16_t flags);
void np_players_swap(np_player_room *room, const nplug_command *command);

/* Who hears the part that news is about; who will; and makes it so. */
uint32_t np_players_hearers(const np_player_room *room, const np_news *news);
uint32_t np_players_hearers_after(const np_player_room *room, const np_news *news);
void np_players_make(np_player_room *room, const np_news *news);

/* Whether news changes anything yet. */
bool np_players_is_news(const np_player_room *room, const np_news *news);

/* A player hears a part no more, or from now on: that is said, and the active set may be another.
 */
void np_players_tell(np_player_room *room, const np_news *news, uint32_t was, uint32_t player,
                     nplug_time time);

/* Says that a player has left; that two have changed seats. */
void np_players_tell_leave(np_player_room *room, const np_news *news, nplug_time time);
void np_players_tell_swap(np_player_room *room, const nplug_command *command, nplug_time time);

/* An event about a player and a device (NP_NONE: none). */
nplug_event *np_players_event(np_player_room *room, nplug_event_kind kind, uint32_t device,
                              uint32_t player, nplug_time time, uint16_t flags);

/* --- the active set (active.c) ---------------------------------------------------------------- */

#define NP_FAMILY_SIZE 24
#define NP_DWELL       150u /* milliseconds, where the game says nothing */

/* Of one player. */
typedef struct np_active {
    nplug_device device; /* used last */
    nplug_time since;    /* when its set became the active one */
    nplug_time used;     /* when it did, was pressed or began a movement, whichever was last */
    float stance;        /* how far its axes were from rest, all together, at the last look */
    nplug_device pin;
    uint32_t ignored; /* bit by kind */
    uint16_t dwell;   /* in ms */
    bool only;
    bool looked; /* it was looked at since it became the active one */
    bool moved;  /* at the last look it was not where it was at the one before */
    char family[NP_FAMILY_SIZE];
} np_active;

/* How far a mouse has come since it last paused, or was meant. */
typedef struct np_way {
    int32_t counts[2];
} np_way;

/* Where a lever was parked. */
typedef struct np_parked {
    uint32_t control; /* its place + 1; 0: none */
    float value;
} np_parked;
#define NP_PARKED 16

typedef struct np_actives {
    np_active *of; /* by player */
    np_way *ways;  /* by device */
    np_parked parked[NP_PARKED];
    uint32_t next_parked;
    uint32_t contests; /* movements that have to go on: a timer each */
    bool looking;      /* the timer of the next look is set */
} np_actives;

/* Whether two devices are of one set. */
bool np_active_same_set(const np_player_room *room, uint32_t a, uint32_t b);

/* What is printed on what a player uses: of the family that the game gives, or of a device. */
const char *np_active_family(const np_player_room *room, uint32_t device);

/* A player hears a device from now on, or no more: the active set is one that the player has. */
void np_active_begin(np_player_room *room, uint32_t player, uint32_t device, nplug_time time);
void np_active_end(np_player_room *room, uint32_t player, nplug_time time);

/* Hears a control that was moved (`left`: it is an axis that has just left its rest); whether it is
 * a lever that was pulled from where it was parked. */
bool np_active_hear(np_player_room *room, const np_change *change, np_edge edge, bool left);

/* Hears a delta, before it is noted that its device is in motion. */
void np_active_hear_delta(np_player_room *room, uint32_t signal, int32_t value, nplug_time time);
/* Likewise a zone's control, whose two signals stand one behind the other. */
void np_active_hear_pair(np_player_room *room, uint32_t signal, const int32_t by[2],
                         nplug_time time);

/* Narrows the values between which nobody need be called; false: somebody always must. */
bool np_active_guard(const np_player_room *room, uint32_t control, np_interval *interval);

/* Whatever of a device was moved is moved no more: it came to rest, or goes. */
void np_active_stop(np_player_room *room, uint32_t device);

/* The dwell of a movement is over. */
void np_active_decide(np_player_room *room, uint32_t player, uint32_t device, nplug_time time);

/* A look at what is being moved: first at the active sets; whether any is here. */
bool np_active_look(np_player_room *room);
/* Then at each device: whether what of it has come to rest may begin a movement again; after that,
 * a movement that was may be over. */
bool np_active_may_begin(const np_player_room *room, uint32_t device);
void np_active_look_at(np_player_room *room, uint32_t device, nplug_time time);
/* Then the next look is set, where `any` is; no port says anything before `silence` ends. */
void np_active_looked(np_player_room *room, bool any, nplug_time time, nplug_time silence);

/* Commands.  Follow: `family` is the text that came before. */
void np_active_follow(np_player_room *room, const nplug_command *command, const char *family,
                      nplug_time time);
void np_active_take(np_player_room *room, const nplug_command *command, nplug_time time);

/* --- pointing (pointers.c) ---------------------------------------------------------------------
 */

/* Where a player pressed last, and by which. */
typedef struct np_pointer {
    nplug_time press_time, release_time;
    nplug_vec2 press, release;
    nplug_device device;
    bool down, cancelled;
} np_pointer;

/* Hears a control that was pressed or let go. */
void np_pointers_hear(np_player_room *room, const np_change *change, np_edge edge);

/* Whatever some players (bit by player) press by a part of a device (or NP_ALL_PARTS) is let go,
 * and no person did that. */
void np_pointers_release(np_player_room *room, uint32_t device, uint32_t part, uint32_t players,
                         nplug_time time);

/* --- the room -------------------------------------------------------------------------------- */

struct np_player_room {
    const np_controls *controls;
    const np_devices *devices;
    const np_device_room *device; /* as a whole, where one struct is not enough */
    const np_recogniser *recogniser;
    const np_game *game;
    const nplug_limits *limits;
    np_out *out;
    np_players players;
    np_actives active;
    np_pointer *pointers; /* by player, nobody first */
    np_news *news;        /* what is to be changed, in this order; there is always room */
    uint32_t news_count, news_limit;
    bool
        misses_otherwise; /* who misses what has gone is another one, and devices do not know yet */
};

void np_player_layout(np_player_room *room, np_arena *arena, const nplug_limits *limits);

/* Puts news at the end of the row; and shortens that, once it was made. */
void np_player_add(np_player_room *room, const np_news *news);
void np_player_forget_news(np_player_room *room, uint32_t first);

#endif
