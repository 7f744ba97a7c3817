/* Taps: which presses of a source make a row, and when that is certain.
 *
 * Owns the machines' taps and np_gestures.rows.  Comes in: a source went down or came up; a timer.
 * Goes out: bindings that fire; timers. */
#include "core/action/inside.h"
#include <string.h>

/* Presses of a source are told in order.  Each belongs to the longest row of taps that begins with
 * it, and is told when no longer one can still be made. */
typedef enum np_row_state { BROKEN, OPEN, MADE } np_row_state;

/* What is between two times; what is too long to say is longer than any wait. */
static uint32_t span(nplug_time from, nplug_time to)
{
    return to - from < NP_TAP_NONE ? (uint32_t)(to - from) : NP_TAP_NONE;
}

/* How long a press lasted or, where it goes on, lasts by now. */
static uint32_t length_of(const np_machine *machine, uint32_t i, nplug_time now)
{
    uint32_t length = machine->taps[i].length;

    if (!machine->down || i + 1u != machine->count || length == NP_TAP_NONE) return length;
    return span(machine->since, now);
}

/* How far a binding has come with the row that begins with the first press. */
static np_row_state look_at_row(np_action_room *room, uint32_t player, uint32_t number,
                                const np_machine *machine, nplug_time now)
{
    const np_binding *binding = &room->game->bindings[number];
    uint32_t wait = np_comfort_wait(room->asked, player, binding->wait);
    uint16_t seen = *np_presses_row(&room->gestures, player, number);

    for (uint32_t i = 0; i < binding->taps; i++) {
        bool last = i + 1u == binding->taps;
        if (i == machine->count) return span(machine->since, now) > wait ? BROKEN : OPEN;
        if (!((seen >> i) & 1u) || (i && machine->taps[i].pause > wait)) return BROKEN;
        if (last && i) return MADE;
        if (length_of(machine, i, now) > wait) return BROKEN;
        if (machine->down && i + 1u == machine->count) return OPEN;
    }
    return MADE;
}

/* Whether a use is a binding that wants taps. */
static bool wants_taps(const np_game *game, const np_use *use)
{
    return !np_use_is_held(use) && game->bindings[np_use_binding(use)].gesture == NPLUG_GESTURE_TAP;
}

/* What the first press comes to: the longest row that is made, and that still may be. */
typedef struct np_hope {
    uint32_t made, open; /* taps */
    uint32_t wait;       /* how long the open ones wait */
} np_hope;

static np_hope hope(np_action_room *room, uint32_t player, uint32_t source,
                    const np_machine *machine, nplug_time now)
{
    const np_game *game = room->game;
    np_hope found = {0, 0, 0};

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t number = np_use_binding(&game->uses[at]), wait;
        const np_binding *binding = &game->bindings[number];
        np_row_state row = BROKEN;
        if (wants_taps(game, &game->uses[at]))
            row = look_at_row(room, player, number, machine, now);
        if (row == BROKEN) continue;
        if (row == MADE && binding->taps > found.made) found.made = binding->taps;
        if (row == OPEN && binding->taps > found.open) found.open = binding->taps;
        wait = np_comfort_wait(room->asked, player, binding->wait);
        if (row == OPEN && wait > found.wait) found.wait = wait;
    }
    return found;
}

/* The first presses are told by a binding whose row they make. */
static void tell_row(np_action_room *room, uint32_t player, uint32_t binding,
                     const np_machine *machine, const np_change *change)
{
    bool over = !machine->down || machine->count != room->game->bindings[binding].taps;
    np_change told = *change;

    told.cancelled = false; /* of an earlier press than the one that ends now */
    np_presses_fire(room, player, binding, &told);
    if (over || !(*np_presses_marks(&room->gestures, player, binding) & NP_MARK_ARMED))
        np_presses_end(room, player, binding, &told);
}

/* So many presses are told, by all whose row they make, and done with. */
static void tell_presses(np_action_room *room, uint32_t player, uint32_t source,
                         np_machine *machine, uint32_t count, const np_change *change)
{
    const np_game *game = room->game;

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t binding = np_use_binding(&game->uses[at]);
        if (!wants_taps(game, &game->uses[at])) continue;
        if (game->bindings[binding].taps == count &&
            look_at_row(room, player, binding, machine, change->time) == MADE)
            tell_row(room, player, binding, machine, change);
        *np_presses_row(&room->gestures, player, binding) >>= count;
    }
    machine->count = (uint8_t)(machine->count - count);
    memmove(machine->taps, machine->taps + count, machine->count * sizeof *machine->taps);
}

/* Tells all that is certain by now; a timer is set for what may become so by waiting. */
void np_taps_tell(np_action_room *room, uint32_t player, uint32_t source, np_machine *machine,
                  const np_change *change)
{
    np_timers_cancel(&room->out->timers, NP_TIMER_TAP, player, source);
    while (machine->count) {
        np_hope found = hope(room, player, source, machine, change->time);
        if (found.open > found.made) {
            if (found.made || machine->count > 1)
                np_out_timer(room->out, machine->since + found.wait + 1, NP_TIMER_TAP, player,
                             source, change->time);
            return;
        }
        tell_presses(room, player, source, machine, found.made ? found.made : 1, change);
    }
}

/* A source goes down.  No row is longer than there are places: one is free. */
void np_taps_begin(np_machine *machine, const np_change *change)
{
    np_tap *tap = &machine->taps[machine->count++];

    tap->pause = span(machine->since, change->time);
    tap->length = 0;
    machine->down = 1;
    machine->since = change->time;
    machine->device = change->device;
}

/* It comes up.  A press that is cancelled belongs to no row, and ends those before it. */
void np_taps_end(np_machine *machine, const np_change *change)
{
    uint32_t last = machine->count - 1u;

    if (machine->down && machine->count) {
        machine->taps[last].length = length_of(machine, last, change->time);
        if (change->cancelled) machine->taps[last] = (np_tap){NP_TAP_NONE, NP_TAP_NONE};
    }
    machine->down = 0;
    machine->since = change->time;
}

/* A hold fires: the press is no tap, and no row goes on after it. */
void np_taps_outlast(np_action_room *room, uint32_t player, uint32_t source, np_machine *machine,
                     const np_change *change)
{
    if (!machine->down || !machine->count) return;
    machine->taps[machine->count - 1u].length = NP_TAP_NONE;
    np_taps_tell(room, player, source, machine, change);
}
