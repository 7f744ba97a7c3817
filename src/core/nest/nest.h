/* The nest: the only room that knows all others, and the order in which a change passes them.
 *
 * Comes in: the clock, what the feed has, what the game posted.  Goes out: nothing but what the
 * rooms say.  step.c is the corridor; the other files are its doors: opening, reports, commands,
 * what is heard otherwise, hot-plug, bindings, guards, records, digests. */
#ifndef NP_NEST_H
#define NP_NEST_H

#include "core/action/action.h"

/* How many keys that the game does not bind may be held at once and still be told apart. */
#define NP_RECORD_MASKS 32

/* What the feed took, kept for whoever writes a trace. */
typedef struct np_recorder {
    struct {
        uint32_t signal, shown; /* which signal stands for which in the records */
    } mask[NP_RECORD_MASKS];
    uint32_t mask_count;
    nplug_record *list;
    uint32_t size, first, count;
    uint64_t dropped;
    bool all_keys;
} np_recorder;

/* What is used most stands first: near ends of a struct are reached by shorter instructions. */
struct nplug_nest {
    np_device_room device;
    void (*free_block)(void *block);
    bool cancelled;   /* the system let go of something in the group that is being taken */
    bool started;     /* has stepped */
    uint32_t changes; /* how often something else than values happened */
    nplug_key_labels key_labels; /* the game's, or NULL; asked anew at the next step */
    void *key_labels_user;
    bool key_labels_due;
    np_player_room player;
    np_feed feed;
    np_game_room game;
    np_action_room action;
    np_out out;
    np_queue posted; /* commands of the game, for the next step */
    np_recorder recorder;
    nplug_limits limits;
};

/* What depends on time and on order is brought up to a time, before anything changes then. */
static inline void np_nest_advance(nplug_nest *nest, nplug_time time)
{
    np_action_advance(&nest->action, time);
}

/* Something else than values has happened: whatever can be asked may be otherwise. */
static inline void np_nest_note_change(nplug_nest *nest)
{
    nest->changes++;
}

/* --- what is heard otherwise (wake.c) ----------------------------------------------------------
 */

/* Whoever changes who hears a control, or whether that is heard, known or bound, does so between
 * these two.  The first finds all values as they were and lets go of what a part of a device holds
 * (or NP_ALL_PARTS); the second finds anew what hangs on the device's controls: who hears them,
 * what takes them, whose values they give, and no guard of theirs holds. */
void np_wake_before(nplug_nest *nest, uint32_t device, uint32_t part, nplug_time time);
void np_wake_after(nplug_nest *nest, uint32_t device, nplug_time time);

/* An action has other bindings, of a player or (0) of all. */
void np_wake_bound(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time);

/* A pick hears all axes at every move from now on, or no more: no guard holds. */
void np_wake_pick(nplug_nest *nest);

/* Makes what the players' room has decided, in order, with all that follows. */
void np_wake_players(nplug_nest *nest, nplug_time time);

/* Values are found up to a time, as controls are now. */
void np_wake_settle(nplug_nest *nest, nplug_time time);

/* Kinds of device that are not heard, for a while or without focus. */
void np_wake_mute(nplug_nest *nest, uint32_t kinds, nplug_time time);
void np_wake_focus(nplug_nest *nest, bool focused, nplug_time time);

/* Whether nothing of a device is to be felt: in a pause, asleep, or of a kind that nobody hears
 * now. What plays of those ends. */
bool np_wake_is_still(const nplug_nest *nest, uint32_t device);
void np_wake_still(nplug_nest *nest);

/* A device falls asleep or wakes. */
void np_wake_sleep(nplug_nest *nest, uint32_t device, bool asleep, nplug_time time);

/* What hands drive is found anew: which is the dominant one, or whether one is the only one, is
 * otherwise. */
void np_wake_hands(nplug_nest *nest, nplug_time time);

/* A device's own lights show whose it is. */
void np_wake_light(const nplug_nest *nest, uint32_t device);

/* --- changes (changes.c) ---------------------------------------------------------------------- */

/* All that was stored and touched is one change, and passes all rooms. */
void np_changes_run(nplug_nest *nest, nplug_time time);

/* A signal that moves without ends has moved by so much. */
void np_changes_delta(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time);
/* Likewise a zone's control, whose two signals stand one behind the other. */
void np_changes_pair(nplug_nest *nest, uint32_t signal, const int32_t by[2], nplug_time time);

/* A control is pressed that way, and let go at once; one that is spent only for a pick. */
void np_changes_strike(nplug_nest *nest, const np_change *change, uint16_t way, bool spent);

/* --- reports (reports.c) ---------------------------------------------------------------------- */

/* What one port said up to a time, as long as nothing else is due. */
void np_reports_take(nplug_nest *nest, uint32_t port, nplug_time until);

/* A button that bounced is what it said last. */
void np_reports_waited(nplug_nest *nest, uint32_t signal, nplug_time time);

/* --- touch surfaces (touch.c) -------------------------------------------------------------------
 */

/* A surface is built, or is about to go. */
void np_touch_build(nplug_nest *nest, uint32_t device, nplug_time time);
void np_touch_unbuild(nplug_nest *nest, uint32_t device, nplug_time time);

/* What a group's fingers mean to the zones of their surface, at the same moment; `glides`: they
 * have moved, and none came or went. */
void np_touch_run(nplug_nest *nest, bool glides, nplug_time time);

/* Command: a surface is that large. */
void np_touch_resize(nplug_nest *nest, const nplug_command *command, nplug_time time);

/* --- commands (commands.c) -------------------------------------------------------------------- */

/* What the game asked for since the last step, at the last processed time; false where events ran
 * out of room. */
bool np_commands_take(nplug_nest *nest);

/* What rooms asked for. */
void np_commands_empty_outbox(nplug_nest *nest, nplug_time time);

/* --- hot-plug (hotplug.c) --------------------------------------------------------------------- */

/* An event of that kind about a device. */
void np_hotplug_tell(nplug_nest *nest, nplug_event_kind kind, uint32_t device, nplug_time time);

/* A node is complete: a new device, or a part of one that is here, or was until a moment ago. */
void np_hotplug_ready(nplug_nest *nest, uint32_t node, nplug_time time);

/* A node is no more; with its last one its device goes, at once or after it might have come back.
 */
void np_hotplug_depart(nplug_nest *nest, uint32_t node, nplug_time time);
void np_hotplug_gone(nplug_nest *nest, uint32_t device, nplug_time time);

/* A device has come for the players: `gone` is what it was before, or NP_NONE. */
void np_hotplug_arrive(nplug_nest *nest, uint32_t device, uint32_t gone, nplug_time time);

/* A device says how full its battery is. */
/* All devices of a port that was detached go, once what it pushed was taken. */
void np_hotplug_detach(nplug_nest *nest, nplug_time now);

void np_hotplug_battery(nplug_nest *nest, uint32_t device, const nplug_report *report,
                        nplug_time time);

/* Report: a key of a device bears a letter.  And asks a keyboard's port what is printed on its
 * keys, where some binding names a letter: it came, the layout changed, or bindings did.  The
 * answers are recorded as reports, so that a trace needs no port. */
void np_hotplug_label(nplug_nest *nest, uint32_t device, const nplug_report *report,
                      nplug_time time);
void np_hotplug_ask_labels(nplug_nest *nest, uint32_t device, nplug_time time);
void np_hotplug_ask_all_labels(nplug_nest *nest, nplug_time time);
/* What is printed on a key of a device, by the game's labels or else its port's; its length, 0
 * where nobody knows. */
size_t np_hotplug_key_label(const nplug_nest *nest, uint32_t device, nplug_control key,
                            char *buffer, size_t size);

/* --- bindings (rebind.c) ---------------------------------------------------------------------- */

/* Commands: the text that came before is a player's bindings of an action; or a player's comfort.
 */
void np_rebind_take(nplug_nest *nest, const nplug_command *command, nplug_time time);
void np_rebind_comfort(nplug_nest *nest, const nplug_command *command, nplug_time time);

/* Two players have what the other one bound, and the other's comfort. */
void np_rebind_swap(nplug_nest *nest, uint32_t a, uint32_t b, nplug_time time);

/* --- guards (guards.c) ------------------------------------------------------------------------ */

/* For each signal the raw values inside which the edge lane need not run, kept as the intersection
 * of what the rooms say.  A guard is a cache; anything may empty it.  Finds a signal's anew from
 * its present value. */
void np_guards_renew(nplug_nest *nest, uint32_t signal);

/* --- records (record.c) ----------------------------------------------------------------------- */

void np_record_layout(np_recorder *recorder, np_arena *arena, uint32_t size);

/* Whether a trace must not tell which key this signal is: the game does not bind it. */
bool np_record_hides(const nplug_nest *nest, uint32_t signal);
/* Whether a key that is held was recorded as another one. */
bool np_record_masks(const nplug_nest *nest, uint32_t signal);

/* `signal` is the place of a value's signal among all signals, or NP_NONE. */
void np_record_report(nplug_nest *nest, uint32_t port, const nplug_report *report, uint32_t signal);
void np_record_command(nplug_nest *nest, const nplug_command *command);
void np_record_step(nplug_nest *nest, nplug_time time);
size_t np_record_give(np_recorder *recorder, nplug_record *records, size_t max);

#endif
