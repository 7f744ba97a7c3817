/* Actions: what a player's input comes to.
 *
 * Comes in: changes of controls, wishes of layers, other bindings.  Goes out: presses and values of
 * actions, as events and to be asked for; what a pick took. */
#ifndef NP_ACTION_H
#define NP_ACTION_H

#include "core/player/player.h"

typedef struct np_action_room np_action_room;

/* --- links and sources (links.c, sources.c) ----------------------------------------------------
 */

/* A meeting of a device's control with a source. */
typedef struct np_link {
    uint16_t source;
    uint16_t control;
    uint16_t next;       /* of the same source, NP_NO_INDEX at the end */
    uint16_t of_control; /* the next one of the same control, likewise */
    uint8_t down;        /* pressed, as players hear it */
    uint8_t heard;       /* by which player, or one of the two below */
    uint16_t missed;     /* bit by player, the first one 0: who came to hear it when it was down */
} np_link;
#define NP_HEARD_BY_SEVERAL 0u
#define NP_HEARD_BY_NOBODY  255u

typedef struct np_sources {
    np_link *links;
    np_span span;
    uint16_t *of_control; /* the first link of a control, or NP_NO_INDEX */
    uint16_t *of_source;  /* the first link of a source */
    uint16_t *down;       /* by player (0 first), then source: how many links are */
    uint32_t source_limit;
} np_sources;

/* Links a device's controls to the sources that name them; false where there is no room. */
bool np_links_add_device(np_action_room *room, uint32_t device);
void np_links_drop_device(np_action_room *room, uint32_t device);

/* The same of one source, for all devices that are here.  A control that is pressed already is down
 * from now on, but nobody saw it go down. */
bool np_links_add_source(np_action_room *room, uint32_t source);
void np_links_drop_source(np_action_room *room, uint32_t source);

/* Other players hear a device, or none: its links stand where they belong. */
void np_links_sort(np_action_room *room, uint32_t device);

/* Narrows the interval of one number of a control in which this room need not be called; false: it
 * always must. */
bool np_links_guard(const np_action_room *room, uint32_t control, unsigned component,
                    np_interval *interval);

/* Hears a change of a control: finds the edges of its links, for all who hear it. */
void np_sources_hear(np_action_room *room, const np_change *change);

/* A control is pressed one way and let go at once, by all who hear it. */
void np_sources_strike(np_action_room *room, const np_change *change, uint16_t way);

/* Lets go of all that a part of a device holds (or NP_ALL_PARTS), marked cancelled. */
void np_sources_release(np_action_room *room, uint32_t device, uint32_t part, nplug_time time);

/* Of those who hear a part of a device, some no longer do and others begin to (bit by player), and
 * whoever stays goes on holding.  What is down is let go of for the ones, marked cancelled, and is
 * nothing to the others until it is pressed anew. */
void np_sources_hand_over(np_action_room *room, uint32_t device, uint32_t part, uint32_t leaving,
                          uint32_t joining, nplug_time time);

/* Whether a source is pressed for a player. */
static inline bool np_sources_down(const np_sources *sources, uint32_t player, uint32_t source)
{
    return sources->down[(size_t)player * sources->source_limit + source] != 0;
}

/* Whether some binding names a letter that keys may bear; and one that no key is known to bear. */
bool np_labels_are_named(const np_action_room *room);
bool np_labels_miss(const np_action_room *room);

/* Report: a key of a device bears a letter, and drives what names that; or none does any more, and
 * what was driven so lets go. */
void np_labels_take(np_action_room *room, uint32_t device, const nplug_report *report,
                    nplug_time time);

/* Which hand is the dominant one, or whether one is the only one, is otherwise: what hands drive no
 * more lets go, marked cancelled; what they drive from now on counts when it is pressed anew. */
void np_hands_take(np_action_room *room, nplug_time time);

/* --- layers (layers.c) --------------------------------------------------------------------------
 */

/* Which are on for whom, and which bindings may see a control. */
typedef struct np_layers {
    uint32_t *on;   /* by player: bit by layer */
    uint8_t *cover; /* by player, then source: bindings of a lower rank do not see its control */
    uint32_t source_limit;
    uint32_t changes; /* how often what sees a control became otherwise */
} np_layers;

/* Whether a binding drives its action for a player now: it is theirs, its layer is on, what it
 * wants held is, and nothing of a higher rank takes its control. */
bool np_bindings_serve(const np_action_room *room, uint32_t player, const np_binding *binding);
/* The same, whether or not what the binding wants held is. */
bool np_bindings_may_serve(const np_action_room *room, uint32_t player, const np_binding *binding);

/* Switches on what a game has on from the start. */
void np_layers_begin(np_layers *layers, const np_game *game);

static inline bool np_layers_on(const np_layers *layers, uint32_t player, uint32_t layer)
{
    return (layers->on[player] >> layer) & 1u;
}

/* Finds anew what takes the controls of all players.  What a lower rank held of them is let go,
 * marked cancelled. */
void np_layers_cover_all(np_action_room *room, nplug_time time);

/* Command: switches a layer; player 0 is all. */
void np_layers_switch(np_action_room *room, const nplug_command *command, nplug_time time);

/* --- gestures (gestures.c, taps.c) --------------------------------------------------------------
 */

/* How presses of a source become presses of actions.  One machine for each player and source knows
 * what anyone wants of it, and settles tap against double tap against hold. */

/* What a binding came to for a player. */
enum {
    NP_MARK_ARMED = 1,   /* it saw the press while its layer and its chord allowed it */
    NP_MARK_HOLDS = 2,   /* and holds its action */
    NP_MARK_LATER_X = 8, /* of two opposite keys, the second one was pressed last */
    NP_MARK_LATER_Y = 16
};

#define NP_TAPS     9          /* the longest row that a binding may want */
#define NP_TAP_NONE UINT32_MAX /* longer than any wait: of what belongs to no row */

/* A press that belongs to no row yet (microseconds). */
typedef struct np_tap {
    uint32_t pause;  /* between the press before and this one */
    uint32_t length; /* once it is over */
} np_tap;

/* What the machine of a player and a source remembers of presses. */
typedef struct np_machine {
    nplug_time since;    /* the source went down or came up last */
    nplug_device device; /* by which */
    uint8_t count;       /* of `taps` */
    uint8_t down;        /* the source is down; the last press of `taps` may go on */
    np_tap taps[NP_TAPS];
} np_machine;

typedef struct np_gestures {
    uint8_t *marks;       /* by player (0 first), then binding */
    uint16_t *rows;       /* likewise: bit by press of the machine's, whether it counts */
    np_machine *machines; /* by player, then the source's `gesture` */
    uint8_t *stuck;       /* by player, then source: it counts as held though it is up */
    uint8_t *alone;       /* by player: nothing else was pressed since what may stick was */
    uint32_t binding_limit, machine_limit, source_limit;
} np_gestures;

/* No binding uses a source any more: nothing is remembered of it, and nothing waits for it. */
void np_gestures_forget(np_action_room *room, uint32_t source);

/* Timers: a press has lasted, or is repeated; no further tap came. */
void np_gestures_lasted(np_action_room *room, uint32_t player, uint32_t binding, nplug_time time);
void np_gestures_settled(np_action_room *room, uint32_t player, uint32_t source, nplug_time time);

/* --- actions (actions.c) ------------------------------------------------------------------------
 */

/* How often each player's actions were pressed, and what they came to. */
typedef struct np_action {
    uint64_t presses; /* since the start; of releases there are as many, but for one that is held */
    nplug_time press_time, release_time;
    nplug_vec2 value;
    uint32_t step; /* in which the two below were counted */
    uint16_t presses_in, releases_in;
    uint16_t held; /* how many bindings hold it */
    uint8_t dirty; /* its value is to be found again */
    uint8_t used;  /* the last press was used up */
    uint8_t kept;  /* what gave its value has gone, and it stays until something else gives one */
    uint8_t moved; /* of a motion: it was moved in the last step */
} np_action;

typedef struct np_actions {
    np_action *list; /* by player (0 first), then action */
    uint32_t action_limit;
} np_actions;

static inline np_action *np_action_of(const np_actions *actions, uint32_t player, uint32_t action)
{
    return &actions->list[(size_t)player * actions->action_limit + action];
}

/* How often it was let go. */
static inline uint64_t np_action_releases(const np_action *action)
{
    return action->presses - (action->held != 0);
}

/* The last press was used up. */
void np_actions_use(np_action *state);

/* A binding lets go of what it holds and waits for, marked as `change` is. */
void np_presses_cancel(np_action_room *room, uint32_t player, uint32_t binding,
                       const np_change *change);

/* An action's value is to be found again for a player. */
void np_marks_action(np_action_room *room, uint32_t player, uint32_t action);

/* The same of all actions that a device may drive: whoever hears it is about to change. */
void np_marks_device(np_action_room *room, uint32_t device);

/* A device is about to go: what its levers gave stays, and what the game wants to. */
void np_marks_keep_device(np_action_room *room, uint32_t device);

/* What an action has kept of a device that went is kept no more. */
void np_marks_drop_kept(np_action_room *room, uint32_t player, uint32_t action);

/* --- values (readings.c, values.c, motions.c) ----------------------------------------------------
 */

/* A button on its way as a level: from where and when; whether up or down is what its source says.
 */
typedef struct np_ramp {
    nplug_time since;
    float from;
} np_ramp;

typedef struct np_values {
    np_ramp *ramps;  /* by player, then ramp */
    uint32_t *dirty; /* player << 16 | action, whose value is to be found again */
    uint32_t dirty_count;
    uint32_t ramp_limit;
    bool latest;     /* of some that are dirty, the latest binding counts */
    nplug_time last; /* when values were found last */
} np_values;

/* Of the bindings of an action whose latest one counts: in which order they left their rest. */
typedef struct np_latest {
    uint8_t *order; /* by player, then binding: in which order it left its rest; 0: it rests */
    uint32_t binding_limit;
} np_latest;

/* What was moved in a step, summed as it happens. */
typedef struct np_motions {
    uint32_t *moving; /* player << 16 | action: those that are moved, or may be */
    uint32_t count;
    nplug_time advanced; /* up to here sticks and keys have moved them */
} np_motions;

/* Finds all values but motions that are to be found, of controls that are up to date: at the end of
 * a step, and before a device goes or is another one's to hear. */
void np_values_settle(np_action_room *room, nplug_time time);

/* A binding's place is given away. */
void np_latest_forget(np_action_room *room, uint32_t binding);

/* A step ends: what was moved is said. */
void np_motions_settle(np_action_room *room, nplug_time time);

/* A signal without ends has moved by so much: whoever hears it has moved that far. */
void np_motions_add_delta(np_action_room *room, uint32_t signal, int32_t value);

/* Likewise a zone's control, whose two signals stand one behind the other. */
void np_motions_add_pair(np_action_room *room, uint32_t signal, const int32_t by[2]);

/* --- picking (pick.c) ---------------------------------------------------------------------------
 */

/* A player chooses a control by using it. */
typedef struct np_pick {
    bool waits, takes;
    nplug_player player;
    uint32_t kinds; /* bit by kind; 0: any */
    nplug_time until;
    nplug_control cancel;
    float threshold;
    uint8_t *held; /* bit by control: it was away from its rest, and does not count until it has
                    * been back */
    nplug_pick_facts state;
} np_pick;

/* Hears a change of a control while it waits; whether that is spent by it. */
bool np_pick_hear(np_action_room *room, const np_change *change);

/* Whether a pick is under way that takes a control from the game. */
bool np_pick_takes(const np_action_room *room, const np_control *control);

/* Hears a notch of a wheel; whether the pick takes that from the game, and it is spent. */
bool np_pick_notch(np_action_room *room, const np_change *change, uint16_t way);

/* Command: begins. */
void np_pick_take(np_action_room *room, const nplug_command *command, nplug_time time);

/* Ends without a control: flags of the event that says so. */
void np_pick_stop(np_action_room *room, uint16_t flags, nplug_time time);

/* --- zones of touch surfaces (zones.c, area.c) ---------------------------------------------------
 */

/* Where a zone is on a surface, in millimetres from the upper left. */
typedef struct np_box {
    nplug_vec2 least, most;
    float reach;
} np_box;

/* A zone on one surface. */
typedef struct np_zone_state {
    bool used;
    bool alone, tapping; /* of an area: one contact at most since it was touched; a tap may come */
    bool has_moved;      /* it stands among those that have */
    uint8_t signals, contacts;
    uint16_t device, zone;
    uint16_t first_signal;
    uint16_t driver, second; /* contacts that drive it; NP_NO_INDEX */
    uint8_t kind;            /* an nplug_zone_kind */
    uint16_t moved_next;     /* the place of the next one that has moved, from 1; 0: none */
    np_box box;              /* as the first contact began */
    nplug_vec2 middle;       /* of a stick, millimetres */
    nplug_vec2 apart;        /* from its first finger to its second one, as that began */
    nplug_vec2 swipe;        /* the last one, millimetres a second */
    int32_t moved[2];        /* of an area: by all contacts of the group that is being taken */
} np_zone_state;

/* How somebody wants a zone of the game. */
typedef struct np_zone_wish {
    uint16_t x, y;  /* in 1/32767, and 32767 */
    uint16_t scale; /* in 1/8192; 0: nobody wants it otherwise */
    uint8_t opacity, show;
} np_zone_wish;
#define NP_WISH_MOVE  32767.0f
#define NP_WISH_SCALE 8192.0f

typedef struct np_zones {
    np_zone_state *list;
    np_zone_wish *wishes; /* by zone of the game */
    uint16_t *owner;      /* by contact: the place of the zone that owns it; NP_NO_INDEX: none */
    uint32_t limit;
    uint16_t moved_first, moved_last; /* areas that moved in the group, as places from 1; 0: none */
} np_zones;

/* What a zone's signal comes to. */
typedef enum np_zone_how {
    NP_ZONE_VALUE = 0, /* it has a value */
    NP_ZONE_STRUCK,    /* it is pressed towards that sign, and let go at once */
    NP_ZONE_CANCELLED  /* it has a value, and no person let go */
} np_zone_how;

#define NP_ZONE_NEWS 16
typedef struct np_zone_news {
    uint32_t count;
    struct {
        int32_t value;
        uint16_t signal;
        uint8_t how; /* an np_zone_how */
    } list[NP_ZONE_NEWS];
} np_zone_news;

/* Adds one thing that a zone says of a signal of its own; past the last place nothing is kept. */
static inline void np_news_say(np_zone_news *news, uint32_t signal, np_zone_how how, int32_t value)
{
    if (news->count == NP_ZONE_NEWS) return;
    news->list[news->count].signal = (uint16_t)signal;
    news->list[news->count].how = (uint8_t)how;
    news->list[news->count++].value = value;
}

/* Whether somebody must see each movement of a contact. */
bool np_zones_follow(const np_action_room *room, uint32_t contact);

/* A contact begins, moves or ends: what the zone says that owns it; false where none does. */
bool np_zones_hear(np_action_room *room, const np_touched *touched, np_zone_news *news);

/* Likewise of one that only moves. */
void np_zones_glide(np_action_room *room, const np_touched *touched, np_zone_news *news);

/* An area that a group's contacts moved, taken out of the list of those: by how much, to the right
 * and up, and the first of its two signals that say so; false where none is left. */
bool np_zones_take_moved(np_zones *zones, int32_t by[2], uint32_t *signal);

/* The part of a surface in which a place is; 0: in none. */
uint8_t np_zones_part(const np_action_room *room, uint32_t device, nplug_vec2 place);

/* A surface has all zones of the game from now on, whose signals begin there; false where there is
 * no room for all of them.  It has none any more.  Or they own no contact any more:
 * each signal of theirs is at rest. */
bool np_zones_add_device(np_action_room *room, uint32_t device, uint32_t first_signal);
void np_zones_drop_device(np_zones *zones, uint32_t device);
void np_zones_rest(np_zones *zones, uint32_t device);

/* Where the game has a zone on a surface; and where it is. */
np_box np_zone_box(const np_surface *surface, const nplug_zone_def *def);
np_box np_zone_box_now(const np_action_room *room, const np_surface *surface, uint32_t zone);

/* Command: how somebody wants a zone; and how that is. */
void np_zones_wish(np_zones *zones, const nplug_command *command);
np_zone_wish np_zones_wished(const np_zones *zones, uint32_t zone);

nplug_vec2 np_box_middle(const np_box *box);

/* Who hears a zone (bit by player, 0 is nobody); and whether its layer is on for any of them. */
uint32_t np_zone_hearers(const np_action_room *room, const np_zone_state *zone);
bool np_zone_shown(const np_action_room *room, const np_zone_state *zone);

/* --- the room -------------------------------------------------------------------------------- */

/* The rooms below stand first: near ends of a struct are reached by shorter instructions. */
struct np_action_room {
    const np_controls *controls;
    const np_devices *devices;
    const np_recogniser *recogniser;
    const np_game *game;
    const np_game_room *asked;
    const np_players *players;
    const np_contacts *contacts;
    const nplug_limits *limits;
    np_out *out;
    np_sources sources;
    np_layers layers;
    np_gestures gestures;
    np_actions actions;
    np_values values;
    np_motions motions;
    np_latest latest;
    np_pick pick;
    np_zones zones;
    uint64_t step; /* how many steps were taken */
};

void np_action_layout(np_action_room *room, np_arena *arena, const nplug_limits *limits);

/* A step begins: nothing was pressed or moved in it yet. */
void np_action_begin(np_action_room *room);

/* What depends on time and on order is brought up to a time, before anything changes then. */
void np_action_advance(np_action_room *room, nplug_time time);

#endif
