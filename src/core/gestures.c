#include "gestures.h"
#include "nest.h"
#include <string.h>

void np_gestures_layout(np_gestures *gestures, np_carve *carve, const nplug_limits *limits)
{
    size_t players = limits->players + 1u;

    gestures->marks = (uint8_t *)np_carve_take(carve, players * limits->bindings, 1);
    gestures->rows = (uint16_t *)np_carve_take(carve, players * limits->bindings, sizeof(uint16_t));
    gestures->machines =
        (np_machine *)np_carve_take(carve, players * limits->gestures, sizeof(np_machine));
    gestures->stuck = (uint8_t *)np_carve_take(carve, players * limits->sources, 1);
    gestures->alone = (uint8_t *)np_carve_take(carve, players, 1);
    gestures->source_limit = limits->sources;
    gestures->binding_limit = limits->bindings;
    gestures->machine_limit = limits->gestures;
}

static uint8_t *marks_of(np_gestures *gestures, uint32_t player, uint32_t binding)
{
    return &gestures->marks[(size_t)player * gestures->binding_limit + binding];
}

/* The machine of a source that has one; else NULL. */
static np_machine *machine_of(nplug_nest *nest, uint32_t player, uint32_t source)
{
    uint16_t gesture = nest->game.sources[source].gesture;
    np_gestures *gestures = &nest->gestures;

    if (gesture == NP_NO_INDEX) return NULL;
    return &gestures->machines[(size_t)player * gestures->machine_limit + gesture];
}

/* --- what a binding tells its action -------------------------------------------------------- */

/* Where a player wants it, a press of a button holds until the next one. */
static bool toggles(const nplug_nest *nest, uint32_t player, uint32_t binding)
{
    return nest->game.bindings[binding].kind == NPLUG_BUTTON &&
           nest->game.bindings[binding].gesture != NPLUG_GESTURE_REPEAT &&
           np_comfort_has(nest, player, nest->game.bindings[binding].action, NP_COMFORT_TOGGLE);
}

static void let_go(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change)
{
    uint8_t *marks = marks_of(&nest->gestures, player, binding);

    if (!(*marks & NP_MARK_HOLDS)) return;
    *marks &= (uint8_t)~NP_MARK_HOLDS;
    np_actions_release(nest, player, nest->game.bindings[binding].action, change);
}

/* Whether a player holds another one of the actions of which only one may be held. */
static bool holds_another(const nplug_nest *nest, uint32_t player, uint32_t action)
{
    uint8_t one_of = nest->game.rules[action].one_of;

    for (uint32_t a = 0; one_of && a < nest->game.def.action_count; a++)
        if (a != action && nest->game.rules[a].one_of == one_of &&
            np_action_of(&nest->actions, player, a)->held)
            return true;
    return false;
}

/* A player whose hand trembles does not want a press again that soon. */
static bool comes_too_soon(const nplug_nest *nest, uint32_t player, uint32_t action,
                           nplug_time time)
{
    const np_action *state = np_action_of(&nest->actions, player, action);
    uint32_t again = np_comfort_again(nest, player, action);

    return again && state->presses && time - state->release_time < again;
}

/* Whether an action that nothing holds may be pressed, by its rule and by the player's comfort. */
static bool may_press(const nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    if (player == 0 && nest->players.join != NP_NO_INDEX && action != nest->players.join)
        return false;
    if (np_action_of(&nest->actions, player, action)->held) return true;
    return !holds_another(nest, player, action) && !comes_too_soon(nest, player, action, time);
}

static void fire(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change)
{
    uint8_t *marks = marks_of(&nest->gestures, player, binding);

    if (*marks & NP_MARK_HOLDS) {
        if (toggles(nest, player, binding)) let_go(nest, player, binding, change);
        return;
    }
    if (!may_press(nest, player, nest->game.bindings[binding].action, change->time)) return;
    *marks |= NP_MARK_HOLDS;
    np_actions_press(nest, player, nest->game.bindings[binding].action, change);
}

/* What was pressed comes up: it holds no more, but where the player wants presses to toggle. */
static void cease(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change)
{
    if (change->cancelled || !toggles(nest, player, binding)) let_go(nest, player, binding, change);
}

/* A press that is over as soon as it is known. */
static void strike(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change)
{
    fire(nest, player, binding, change);
    cease(nest, player, binding, change);
}

static void wait_until(nplug_nest *nest, nplug_time due, np_timer_kind kind, uint32_t player,
                       uint32_t about)
{
    if (!np_timers_set(&nest->timers, due, kind, player, about))
        np_limit_reached(nest, NPLUG_LIMIT_TIMERS, nest->feed.processed);
}

/* --- taps ----------------------------------------------------------------------------------- */

/* Presses of a source are told in order.  Each belongs to the longest row of taps that begins with
 * it, and is told when no longer one can still be made. */
typedef enum np_row_state { BROKEN, OPEN, MADE } np_row_state;

static uint16_t *row_of(np_gestures *gestures, uint32_t player, uint32_t binding)
{
    return &gestures->rows[(size_t)player * gestures->binding_limit + binding];
}

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
static np_row_state look_at_row(nplug_nest *nest, uint32_t player, uint32_t number,
                                const np_machine *machine, nplug_time now)
{
    const np_binding *binding = &nest->game.bindings[number];
    uint32_t wait = np_comfort_wait(nest, player, binding->wait);
    uint16_t seen = *row_of(&nest->gestures, player, number);

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

static np_hope hope(nplug_nest *nest, uint32_t player, uint32_t source, const np_machine *machine,
                    nplug_time now)
{
    const np_game *game = &nest->game;
    np_hope found = {0, 0, 0};

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t number = np_use_binding(&game->uses[at]), wait;
        const np_binding *binding = &game->bindings[number];
        np_row_state row = BROKEN;
        if (wants_taps(game, &game->uses[at]))
            row = look_at_row(nest, player, number, machine, now);
        if (row == BROKEN) continue;
        if (row == MADE && binding->taps > found.made) found.made = binding->taps;
        if (row == OPEN && binding->taps > found.open) found.open = binding->taps;
        wait = np_comfort_wait(nest, player, binding->wait);
        if (row == OPEN && wait > found.wait) found.wait = wait;
    }
    return found;
}

/* The first presses are told by a binding whose row they make. */
static void tell_row(nplug_nest *nest, uint32_t player, uint32_t binding, const np_machine *machine,
                     const np_change *change)
{
    bool over = !machine->down || machine->count != nest->game.bindings[binding].taps;
    np_change told = *change;

    told.cancelled = false; /* of an earlier press than the one that ends now */
    fire(nest, player, binding, &told);
    if (over || !(*marks_of(&nest->gestures, player, binding) & NP_MARK_ARMED))
        cease(nest, player, binding, &told);
}

/* So many presses are told, by all whose row they make, and done with. */
static void tell_presses(nplug_nest *nest, uint32_t player, uint32_t source, np_machine *machine,
                         uint32_t count, const np_change *change)
{
    const np_game *game = &nest->game;

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t binding = np_use_binding(&game->uses[at]);
        if (!wants_taps(game, &game->uses[at])) continue;
        if (game->bindings[binding].taps == count &&
            look_at_row(nest, player, binding, machine, change->time) == MADE)
            tell_row(nest, player, binding, machine, change);
        *row_of(&nest->gestures, player, binding) >>= count;
    }
    machine->count = (uint8_t)(machine->count - count);
    memmove(machine->taps, machine->taps + count, machine->count * sizeof *machine->taps);
}

/* Tells all that is certain by now; a timer is set for what may become so by waiting. */
static void tell_taps(nplug_nest *nest, uint32_t player, uint32_t source, np_machine *machine,
                      const np_change *change)
{
    np_timers_cancel(&nest->timers, NP_TIMER_TAP, player, source);
    while (machine->count) {
        np_hope found = hope(nest, player, source, machine, change->time);
        if (found.open > found.made) {
            if (found.made || machine->count > 1)
                wait_until(nest, machine->since + found.wait + 1, NP_TIMER_TAP, player, source);
            return;
        }
        tell_presses(nest, player, source, machine, found.made ? found.made : 1, change);
    }
}

/* A source goes down.  No row is longer than there are places: one is free. */
static void begin_tap(np_machine *machine, const np_change *change)
{
    np_tap *tap = &machine->taps[machine->count++];

    tap->pause = span(machine->since, change->time);
    tap->length = 0;
    machine->down = 1;
    machine->since = change->time;
    machine->device = change->device;
}

/* It comes up.  A press that is cancelled belongs to no row, and ends those before it. */
static void end_tap(np_machine *machine, const np_change *change)
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
static void outlast_tap(nplug_nest *nest, uint32_t player, uint32_t source, np_machine *machine,
                        const np_change *change)
{
    if (!machine->down || !machine->count) return;
    machine->taps[machine->count - 1u].length = NP_TAP_NONE;
    tell_taps(nest, player, source, machine, change);
}

void np_gestures_settled(nplug_nest *nest, uint32_t player, uint32_t source, nplug_time time)
{
    np_machine *machine = machine_of(nest, player, source);
    np_change change = {time, NP_NONE, 0, nest->game.sources[source].control, false};

    if (!machine) return;
    change.device = machine->device;
    tell_taps(nest, player, source, machine, &change);
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
static void end_parts(nplug_nest *nest, uint32_t player, const np_binding *whole,
                      const np_change *change)
{
    const np_game *game = &nest->game;
    np_change ended = *change;

    ended.cancelled = true;
    for (uint32_t b = 0; b < game->binding_count; b++) {
        const np_binding *chord = &game->bindings[b];
        if (chord->action == NP_NO_INDEX || chord->rank >= whole->rank) continue;
        if ((*marks_of(&nest->gestures, player, b) & NP_MARK_ARMED) &&
            is_part_of(game, chord, whole))
            np_gestures_drop(nest, player, b, &ended);
    }
}

/* --- presses -------------------------------------------------------------------------------- */

static void begin(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change)
{
    const np_binding *about = &nest->game.bindings[binding];
    uint8_t *marks = marks_of(&nest->gestures, player, binding);
    const np_machine *machine = machine_of(nest, player, about->source[0]);
    uint32_t wait = 0;

    *marks |= NP_MARK_ARMED;
    if (about->gesture == NPLUG_GESTURE_HOLD || about->gesture == NPLUG_GESTURE_REPEAT)
        wait = np_comfort_wait(nest, player, about->wait);
    else if (about->gesture == NPLUG_GESTURE_PRESS)
        wait = np_comfort_lasts(nest, player, about->action);
    if (about->gesture == NPLUG_GESTURE_REPEAT ||
        (about->gesture == NPLUG_GESTURE_PRESS && wait == 0))
        fire(nest, player, binding, change);
    if (wait) wait_until(nest, change->time + wait, NP_TIMER_HOLD, player, binding);
    if (machine && about->gesture == NPLUG_GESTURE_TAP)
        *row_of(&nest->gestures, player, binding) |= (uint16_t)(1u << (machine->count - 1u));
}

static void end(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change)
{
    const np_binding *about = &nest->game.bindings[binding];
    uint8_t *marks = marks_of(&nest->gestures, player, binding);

    if (!(*marks & NP_MARK_ARMED)) return;
    *marks &= (uint8_t)~NP_MARK_ARMED;
    np_timers_cancel(&nest->timers, NP_TIMER_HOLD, player, binding);
    if (about->gesture == NPLUG_GESTURE_RELEASE && !change->cancelled)
        strike(nest, player, binding, change);
    else
        cease(nest, player, binding, change);
}

void np_gestures_drop(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change)
{
    uint8_t *marks = marks_of(&nest->gestures, player, binding);

    if (*marks & NP_MARK_ARMED) np_timers_cancel(&nest->timers, NP_TIMER_HOLD, player, binding);
    *marks &= (uint8_t)~NP_MARK_ARMED;
    *row_of(&nest->gestures, player, binding) = 0;
    let_go(nest, player, binding, change);
}

void np_gestures_lasted(nplug_nest *nest, uint32_t player, uint32_t binding, nplug_time time)
{
    const np_binding *about = &nest->game.bindings[binding];
    uint32_t source = about->source[0];
    np_machine *machine = machine_of(nest, player, source);
    np_change change = {time, NP_NONE, np_sources_device(nest, player, source),
                        nest->game.sources[source].control, false};

    if (machine && about->gesture != NPLUG_GESTURE_PRESS)
        outlast_tap(nest, player, source, machine, &change);
    if (about->gesture == NPLUG_GESTURE_REPEAT) {
        let_go(nest, player, binding, &change);
        wait_until(nest, time + np_comfort_wait(nest, player, about->every), NP_TIMER_HOLD, player,
                   binding);
    }
    fire(nest, player, binding, &change);
}

/* --- chords --------------------------------------------------------------------------------- */

/* Whether the driving source of a chord went down before the last of those that must be held. */
static bool is_whole(const nplug_nest *nest, uint32_t player, const np_binding *chord)
{
    return chord->shape == NP_SHAPE_ONE && chord->gesture != NPLUG_GESTURE_TAP &&
           np_sources_down(&nest->sources, player, chord->source[0]) &&
           np_layers_admit(nest, player, chord) &&
           np_layers_see(&nest->layers, player, chord, chord->source[0]);
}

/* The highest rank that a press of a source makes whole; what only observes takes nothing. */
static uint8_t rank_of_press(const nplug_nest *nest, uint32_t player, uint32_t source)
{
    const np_game *game = &nest->game;
    uint8_t rank = nest->layers.cover[(size_t)player * nest->layers.source_limit + source];

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        const np_binding *chord = &game->bindings[np_use_binding(&game->uses[at])];
        if (!np_use_is_held(&game->uses[at]) || chord->observes || chord->rank <= rank) continue;
        if (is_whole(nest, player, chord)) rank = chord->rank;
    }
    return rank;
}

/* A press makes a binding whole: it begins, where the press is for such a rank. */
static void press(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change,
                  uint8_t rank)
{
    const np_binding *about = &nest->game.bindings[binding];

    if (about->with_count > 1 && !about->observes) end_parts(nest, player, about, change);
    if (about->rank >= rank) begin(nest, player, binding, change);
}

/* A source that must be held for others went down or came up: the rank that the press is for. */
static uint8_t turn_held(nplug_nest *nest, uint32_t player, uint32_t source,
                         const np_change *change, bool pressed)
{
    const np_game *game = &nest->game;
    uint8_t rank;

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t binding = np_use_binding(&game->uses[at]);
        if (!np_use_is_held(&game->uses[at])) continue;
        if (!pressed) end(nest, player, binding, change);
        np_layers_cover_binding(nest, player, binding, change->time);
        np_values_mark(nest, player, game->bindings[binding].action);
    }
    if (!pressed) return 0;
    rank = rank_of_press(nest, player, source);
    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t binding = np_use_binding(&game->uses[at]);
        const np_binding *chord = &game->bindings[binding];
        if (np_use_is_held(&game->uses[at]) && is_whole(nest, player, chord))
            press(nest, player, binding, change, rank);
    }
    return rank;
}

/* --- what sticks ---------------------------------------------------------------------------- */

static uint8_t *stuck_of(np_gestures *gestures, uint32_t player, uint32_t source)
{
    return &gestures->stuck[(size_t)player * gestures->source_limit + source];
}

/* What must be held for a chord was pressed: a second press frees what was stuck. */
static void press_sticky(nplug_nest *nest, uint32_t player, uint32_t source)
{
    uint8_t *stuck = stuck_of(&nest->gestures, player, source);

    nest->gestures.alone[player] = !*stuck;
    *stuck = 0;
}

/* It is let go, with nothing pressed meanwhile: where the player wants it, it sticks. */
static bool sticks(nplug_nest *nest, uint32_t player, uint32_t source, const np_change *change)
{
    if (!nest->gestures.alone[player] || change->cancelled) return false;
    if (!(nest->comforts.ease[player].every.flags & NP_COMFORT_STICKY)) return false;
    *stuck_of(&nest->gestures, player, source) = 1;
    return true;
}

/* The press for which it stuck is over. */
static void free_stuck(nplug_nest *nest, uint32_t player, const np_change *change)
{
    for (uint32_t source = 0; source < nest->game.source_count; source++) {
        uint8_t *stuck = stuck_of(&nest->gestures, player, source);
        if (!*stuck) continue;
        *stuck = 0;
        if (nest->game.sources[source].control) turn_held(nest, player, source, change, false);
    }
}

/* --- a source turns ------------------------------------------------------------------------- */

/* Of two opposite keys, which one was pressed last. */
static void note_order(nplug_nest *nest, uint32_t player, uint32_t binding, uint32_t source)
{
    const np_binding *about = &nest->game.bindings[binding];
    uint8_t *marks = marks_of(&nest->gestures, player, binding);

    for (uint32_t i = 0; i < about->source_count; i++) {
        bool vertical = about->shape == NP_SHAPE_CROSS && i < 2;
        uint8_t mark = vertical ? NP_MARK_LATER_Y : NP_MARK_LATER_X;
        if (about->source[i] != source) continue;
        *marks = (uint8_t)(i & 1u ? *marks | mark : *marks & ~mark);
    }
}

static bool any_down(const nplug_nest *nest, uint32_t player, const np_binding *binding)
{
    bool down = false;

    for (uint32_t i = 0; i < binding->source_count; i++)
        down |= np_sources_down(&nest->sources, player, binding->source[i]);
    return down;
}

static void turn_binding(nplug_nest *nest, uint32_t player, uint32_t binding, uint32_t source,
                         const np_change *change, bool pressed, uint8_t rank)
{
    const np_binding *about = &nest->game.bindings[binding];

    if (about->ramp != NP_NO_INDEX)
        np_values_turn_ramp(nest, player, binding, source, change->time);
    if (about->shape != NP_SHAPE_ONE && pressed) note_order(nest, player, binding, source);
    if (!pressed) {
        if (!any_down(nest, player, about)) end(nest, player, binding, change);
    } else if (np_layers_admit(nest, player, about) &&
               np_layers_see(&nest->layers, player, about, source)) {
        press(nest, player, binding, change, rank);
    }
}

/* Of a source that must be held for others: the lowest rank for which a press of it may be. */
static uint8_t turn_modifier(nplug_nest *nest, uint32_t player, uint32_t source,
                             const np_change *change, bool pressed)
{
    if (pressed) press_sticky(nest, player, source);
    if (!pressed && sticks(nest, player, source, change)) return 0;
    return turn_held(nest, player, source, change, pressed);
}

static bool is_plain(const nplug_nest *nest, uint32_t player, uint32_t source)
{
    const np_source *about = &nest->game.sources[source];

    return !about->odd && !about->modifies && about->gesture == NP_NO_INDEX && !nest->game.ruled &&
           !np_comfort_is_used(&nest->comforts, player);
}

/* A source of which nobody wants more than its press, for a player without comfort, in a game
 * without rules: what nearly all are. */
static void turn_plain(nplug_nest *nest, uint32_t player, uint32_t source, const np_change *change,
                       bool pressed)
{
    const np_game *game = &nest->game;
    uint32_t on = nest->layers.on[player];
    uint8_t cover = nest->layers.cover[(size_t)player * nest->layers.source_limit + source];

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        const np_binding *binding = &game->bindings[game->uses[at].binding];
        uint8_t *marks = marks_of(&nest->gestures, player, game->uses[at].binding);
        if (!pressed) {
            if (*marks & NP_MARK_HOLDS) np_actions_release(nest, player, binding->action, change);
            *marks = 0;
        } else if ((on >> binding->layer) & (binding->players >> player) & 1u &&
                   binding->rank >= cover) {
            *marks = NP_MARK_ARMED | NP_MARK_HOLDS;
            np_actions_press(nest, player, binding->action, change);
        }
    }
}

void np_gestures_turn(nplug_nest *nest, uint32_t player, uint32_t source, const np_change *change,
                      bool pressed)
{
    const np_game *game = &nest->game;
    np_machine *machine = machine_of(nest, player, source);
    uint8_t rank = 0;

    if (is_plain(nest, player, source)) {
        turn_plain(nest, player, source, change, pressed);
        return;
    }
    if (game->sources[source].modifies) rank = turn_modifier(nest, player, source, change, pressed);
    if (pressed && !game->sources[source].modifies) nest->gestures.alone[player] = 0;
    if (machine && pressed) begin_tap(machine, change);
    if (machine && !pressed) end_tap(machine, change);
    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX; at = game->uses[at].next)
        if (!np_use_is_held(&game->uses[at]))
            turn_binding(nest, player, np_use_binding(&game->uses[at]), source, change, pressed,
                         rank);
    if (machine) tell_taps(nest, player, source, machine, change);
    if (!pressed && !game->sources[source].modifies &&
        (nest->comforts.ease[player].every.flags & NP_COMFORT_STICKY))
        free_stuck(nest, player, change);
}

/* --- a source goes ---------------------------------------------------------------------------- */

void np_gestures_forget(nplug_nest *nest, uint32_t source)
{
    for (uint32_t player = 0; player <= nest->limits.players; player++) {
        np_machine *machine = machine_of(nest, player, source);
        np_timers_cancel(&nest->timers, NP_TIMER_TAP, player, source);
        *stuck_of(&nest->gestures, player, source) = 0;
        if (machine) memset(machine, 0, sizeof *machine);
    }
}

/* --- what stays held by itself -------------------------------------------------------------- */

void np_gestures_let_go(nplug_nest *nest, uint32_t player, uint32_t source, const np_change *change)
{
    const np_game *game = &nest->game;

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t binding = np_use_binding(&game->uses[at]);
        if (!np_use_is_held(&game->uses[at]) && !any_down(nest, player, &game->bindings[binding]))
            let_go(nest, player, binding, change);
    }
}
