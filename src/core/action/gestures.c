/* Gestures: presses of a source become presses of actions, by chords, holds and repeats.
 *
 * Owns np_gestures but for its rows of taps.  Comes in: a source went down or came up for a player;
 * a timer of a hold.  Goes out: bindings that fire or end; timers. */
#include "core/action/inside.h"
#include <string.h>

/* The machine of a source that has one; else NULL. */
static np_machine *machine_of(np_action_room *room, uint32_t player, uint32_t source)
{
    uint16_t gesture = room->game->sources[source].gesture;
    np_gestures *gestures = &room->gestures;

    if (gesture == NP_NO_INDEX) return NULL;
    return &gestures->machines[(size_t)player * gestures->machine_limit + gesture];
}

/* --- parts of chords ------------------------------------------------------------------------ */

static bool has_source(const np_game *game, const np_binding *binding, uint32_t source)
{
    const np_source *about = &game->sources[source];
    bool found = false;

    for (uint32_t i = 0; i <= binding->with_count; i++) {
        const np_source *one = &game->sources[i ? binding->with[i - 1] : binding->source[0]];
        found |= one->control == about->control && one->way == about->way;
    }
    return found;
}

/* Whether all that a chord needs is part of another one. */
static bool is_part_of(const np_game *game, const np_binding *chord, const np_binding *whole)
{
    bool part = chord->with_count && chord->with_count < whole->with_count &&
                chord->shape == NP_SHAPE_ONE && has_source(game, whole, chord->source[0]);

    for (uint32_t i = 0; part && i < chord->with_count; i++)
        part = has_source(game, whole, chord->with[i]);
    return part;
}

/* A chord that is whole ends the shorter ones that it holds. */
static void end_parts(np_action_room *room, uint32_t player, const np_binding *whole,
                      const np_change *change)
{
    const np_game *game = room->game;
    np_change ended = *change;

    ended.cancelled = true;
    for (uint32_t b = 0; b < game->binding_count; b++) {
        const np_binding *chord = &game->bindings[b];
        if (chord->action == NP_NO_INDEX || chord->rank >= whole->rank) continue;
        if ((*np_presses_marks(&room->gestures, player, b) & NP_MARK_ARMED) &&
            is_part_of(game, chord, whole))
            np_presses_cancel(room, player, b, &ended);
    }
}

/* --- presses -------------------------------------------------------------------------------- */

static void begin(np_action_room *room, uint32_t player, uint32_t binding, const np_change *change)
{
    const np_binding *about = &room->game->bindings[binding];
    uint8_t *marks = np_presses_marks(&room->gestures, player, binding);
    const np_machine *machine = machine_of(room, player, about->source[0]);
    uint32_t wait = 0;

    *marks |= NP_MARK_ARMED;
    if (about->gesture == NPLUG_GESTURE_HOLD || about->gesture == NPLUG_GESTURE_REPEAT)
        wait = np_comfort_wait(room->asked, player, about->wait);
    else if (about->gesture == NPLUG_GESTURE_PRESS)
        wait = np_comfort_lasts(room->asked, player, about->action);
    if (about->gesture == NPLUG_GESTURE_REPEAT ||
        (about->gesture == NPLUG_GESTURE_PRESS && wait == 0))
        np_presses_fire(room, player, binding, change);
    if (wait && !np_timers_waits(&room->out->timers, NP_TIMER_HOLD, player, binding))
        np_out_timer(room->out, change->time + wait, NP_TIMER_HOLD, player, binding, change->time);
    if (machine && about->gesture == NPLUG_GESTURE_TAP)
        *np_presses_row(&room->gestures, player, binding) |=
            (uint16_t)(1u << (machine->count - 1u));
}

static void end(np_action_room *room, uint32_t player, uint32_t binding, const np_change *change)
{
    const np_binding *about = &room->game->bindings[binding];
    uint8_t *marks = np_presses_marks(&room->gestures, player, binding);

    if (!(*marks & NP_MARK_ARMED)) return;
    *marks &= (uint8_t)~NP_MARK_ARMED;
    np_timers_cancel(&room->out->timers, NP_TIMER_HOLD, player, binding);
    if (about->gesture == NPLUG_GESTURE_RELEASE && !change->cancelled)
        np_presses_strike(room, player, binding, change);
    else
        np_presses_end(room, player, binding, change);
}

void np_gestures_lasted(np_action_room *room, uint32_t player, uint32_t binding, nplug_time time)
{
    const np_binding *about = &room->game->bindings[binding];
    uint32_t source = about->source[0];
    np_machine *machine = machine_of(room, player, source);
    np_change change = {time, NP_NONE, np_links_device(room, player, source),
                        room->game->sources[source].control, false};

    if (machine && about->gesture != NPLUG_GESTURE_PRESS)
        np_taps_outlast(room, player, source, machine, &change);
    if (about->gesture == NPLUG_GESTURE_REPEAT) {
        np_presses_release(room, player, binding, &change);
        np_out_timer(room->out, time + np_comfort_wait(room->asked, player, about->every),
                     NP_TIMER_HOLD, player, binding, time);
    }
    np_presses_fire(room, player, binding, &change);
}

void np_gestures_settled(np_action_room *room, uint32_t player, uint32_t source, nplug_time time)
{
    np_machine *machine = machine_of(room, player, source);
    np_change change = {time, NP_NONE, 0, room->game->sources[source].control, false};

    if (!machine) return;
    change.device = machine->device;
    np_taps_tell(room, player, source, machine, &change);
}

/* --- chords --------------------------------------------------------------------------------- */

/* Whether the driving source of a chord went down before the last of those that must be held. */
static bool is_whole(const np_action_room *room, uint32_t player, const np_binding *chord)
{
    return chord->shape == NP_SHAPE_ONE && chord->gesture != NPLUG_GESTURE_TAP &&
           np_sources_down(&room->sources, player, chord->source[0]) &&
           np_layers_admit(room, player, chord) &&
           np_layers_see(&room->layers, player, chord, chord->source[0]);
}

/* The highest rank that a press of a source makes whole; what only observes takes nothing. */
static uint8_t rank_of_press(const np_action_room *room, uint32_t player, uint32_t source)
{
    const np_game *game = room->game;
    uint8_t rank = room->layers.cover[(size_t)player * room->layers.source_limit + source];

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        const np_binding *chord = &game->bindings[np_use_binding(&game->uses[at])];
        if (!np_use_is_held(&game->uses[at]) || chord->observes || chord->rank <= rank) continue;
        if (is_whole(room, player, chord)) rank = chord->rank;
    }
    return rank;
}

/* A press makes a binding whole: it begins, where the press is for such a rank. */
static void press(np_action_room *room, uint32_t player, uint32_t binding, const np_change *change,
                  uint8_t rank)
{
    const np_binding *about = &room->game->bindings[binding];

    if (about->with_count > 1 && !about->observes) end_parts(room, player, about, change);
    if (about->rank >= rank) begin(room, player, binding, change);
}

/* A source that must be held for others went down or came up: the rank that the press is for. */
static uint8_t turn_held(np_action_room *room, uint32_t player, uint32_t source,
                         const np_change *change, bool pressed)
{
    const np_game *game = room->game;
    uint8_t rank;

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t binding = np_use_binding(&game->uses[at]);
        if (!np_use_is_held(&game->uses[at])) continue;
        if (!pressed) end(room, player, binding, change);
        np_layers_cover_binding(room, player, binding, change->time);
        np_marks_action(room, player, game->bindings[binding].action);
    }
    if (!pressed) return 0;
    rank = rank_of_press(room, player, source);
    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t binding = np_use_binding(&game->uses[at]);
        const np_binding *chord = &game->bindings[binding];
        if (np_use_is_held(&game->uses[at]) && is_whole(room, player, chord))
            press(room, player, binding, change, rank);
    }
    return rank;
}

/* --- what sticks ---------------------------------------------------------------------------- */

static uint8_t *stuck_of(np_gestures *gestures, uint32_t player, uint32_t source)
{
    return &gestures->stuck[(size_t)player * gestures->source_limit + source];
}

/* What must be held for a chord was pressed: a second press frees what was stuck. */
static void press_sticky(np_action_room *room, uint32_t player, uint32_t source)
{
    uint8_t *stuck = stuck_of(&room->gestures, player, source);

    room->gestures.alone[player] = !*stuck;
    *stuck = 0;
}

/* It is let go, with nothing pressed meanwhile: where the player wants it, it sticks. */
static bool sticks(np_action_room *room, uint32_t player, uint32_t source, const np_change *change)
{
    if (!room->gestures.alone[player] || change->cancelled) return false;
    if (!(room->asked->comforts.ease[player].every.flags & NP_COMFORT_STICKY)) return false;
    *stuck_of(&room->gestures, player, source) = 1;
    return true;
}

/* The press for which it stuck is over. */
static void free_stuck(np_action_room *room, uint32_t player, const np_change *change)
{
    for (uint32_t source = 0; source < room->game->source_count; source++) {
        uint8_t *stuck = stuck_of(&room->gestures, player, source);
        if (!*stuck) continue;
        *stuck = 0;
        if (room->game->sources[source].control) turn_held(room, player, source, change, false);
    }
}

/* --- a source turns ------------------------------------------------------------------------- */

/* Of two opposite keys, which one was pressed last. */
static void note_order(np_action_room *room, uint32_t player, uint32_t binding, uint32_t source)
{
    const np_binding *about = &room->game->bindings[binding];
    uint8_t *marks = np_presses_marks(&room->gestures, player, binding);

    for (uint32_t i = 0; i < about->source_count; i++) {
        bool vertical = about->shape == NP_SHAPE_CROSS && i < 2;
        uint8_t mark = vertical ? NP_MARK_LATER_Y : NP_MARK_LATER_X;
        if (about->source[i] != source) continue;
        *marks = (uint8_t)(i & 1u ? *marks | mark : *marks & ~mark);
    }
}

static bool any_down(const np_action_room *room, uint32_t player, const np_binding *binding)
{
    bool down = false;

    for (uint32_t i = 0; i < binding->source_count; i++)
        down |= np_sources_down(&room->sources, player, binding->source[i]);
    return down;
}

static void turn_binding(np_action_room *room, uint32_t player, uint32_t binding, uint32_t source,
                         const np_change *change, bool pressed, uint8_t rank)
{
    const np_binding *about = &room->game->bindings[binding];

    if (about->ramp != NP_NO_INDEX)
        np_readings_turn_ramp(room, player, binding, source, change->time);
    if (about->shape != NP_SHAPE_ONE && pressed) note_order(room, player, binding, source);
    if (!pressed) {
        if (!any_down(room, player, about)) end(room, player, binding, change);
    } else if (np_layers_admit(room, player, about) &&
               np_layers_see(&room->layers, player, about, source)) {
        press(room, player, binding, change, rank);
    }
}

/* Of a source that must be held for others: the lowest rank for which a press of it may be. */
static uint8_t turn_modifier(np_action_room *room, uint32_t player, uint32_t source,
                             const np_change *change, bool pressed)
{
    if (pressed) press_sticky(room, player, source);
    if (!pressed && sticks(room, player, source, change)) return 0;
    return turn_held(room, player, source, change, pressed);
}

static bool is_plain(const np_action_room *room, uint32_t player, uint32_t source)
{
    const np_source *about = &room->game->sources[source];

    return !about->odd && !about->modifies && about->gesture == NP_NO_INDEX && !room->game->ruled &&
           !np_comfort_is_used(&room->asked->comforts, player);
}

/* A source of which nobody wants more than its press, for a player without comfort, in a game
 * without rules: what nearly all are. */
static void turn_plain(np_action_room *room, uint32_t player, uint32_t source,
                       const np_change *change, bool pressed)
{
    const np_game *game = room->game;
    const np_use *uses = game->uses;
    const np_binding *bindings = game->bindings;
    uint8_t *all_marks = np_presses_marks(&room->gestures, player, 0);
    uint32_t on = room->layers.on[player];
    uint8_t cover = room->layers.cover[(size_t)player * room->layers.source_limit + source];

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX; at = uses[at].next) {
        const np_binding *binding = &bindings[uses[at].binding];
        uint8_t *marks = &all_marks[uses[at].binding];
        if (!pressed) {
            if (*marks & NP_MARK_HOLDS) np_actions_release(room, player, binding->action, change);
            *marks = 0;
        } else if ((on >> binding->layer) & (binding->players >> player) & 1u &&
                   binding->rank >= cover) {
            *marks = NP_MARK_ARMED | NP_MARK_HOLDS;
            np_actions_press(room, player, binding->action, change);
        }
    }
}

void np_gestures_turn(np_action_room *room, uint32_t player, uint32_t source,
                      const np_change *change, bool pressed)
{
    const np_game *game = room->game;
    np_machine *machine = machine_of(room, player, source);
    uint8_t rank = 0;

    if (is_plain(room, player, source)) {
        turn_plain(room, player, source, change, pressed);
        return;
    }
    if (game->sources[source].modifies) rank = turn_modifier(room, player, source, change, pressed);
    if (pressed && !game->sources[source].modifies) room->gestures.alone[player] = 0;
    if (machine && pressed) np_taps_begin(machine, change);
    if (machine && !pressed) np_taps_end(machine, change);
    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX; at = game->uses[at].next)
        if (!np_use_is_held(&game->uses[at]))
            turn_binding(room, player, np_use_binding(&game->uses[at]), source, change, pressed,
                         rank);
    if (machine) np_taps_tell(room, player, source, machine, change);
    if (!pressed && !game->sources[source].modifies &&
        (room->asked->comforts.ease[player].every.flags & NP_COMFORT_STICKY))
        free_stuck(room, player, change);
}

/* --- a source goes ---------------------------------------------------------------------------- */

void np_gestures_forget(np_action_room *room, uint32_t source)
{
    for (uint32_t player = 0; player <= room->limits->players; player++) {
        np_machine *machine = machine_of(room, player, source);
        np_timers_cancel(&room->out->timers, NP_TIMER_TAP, player, source);
        *stuck_of(&room->gestures, player, source) = 0;
        if (machine) memset(machine, 0, sizeof *machine);
    }
}

/* --- what stays held by itself -------------------------------------------------------------- */

void np_gestures_release_stuck(np_action_room *room, uint32_t player, uint32_t source,
                               const np_change *change)
{
    const np_game *game = room->game;

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t binding = np_use_binding(&game->uses[at]);
        if (!np_use_is_held(&game->uses[at]) && !any_down(room, player, &game->bindings[binding]))
            np_presses_release(room, player, binding, change);
    }
}
