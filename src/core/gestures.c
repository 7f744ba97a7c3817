#include "gestures.h"
#include "nest.h"
#include <string.h>

void np_gestures_layout(np_gestures *gestures, np_carve *carve, const nplug_limits *limits)
{
    size_t players = limits->players + 1u;

    gestures->marks = (uint8_t *)np_carve_take(carve, players * limits->bindings, 1);
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

/* Where a player wants it, a press holds until the next one. */
static bool toggles(const nplug_nest *nest, uint32_t player, uint32_t binding)
{
    return nest->game.bindings[binding].gesture != NPLUG_GESTURE_REPEAT &&
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

typedef struct np_taps {
    uint32_t most; /* how many taps the most patient binding wants */
    uint32_t wait; /* how long it waits for the next one */
} np_taps;

/* What bindings that take part want of a source's taps beyond `taps`. */
static np_taps wanted(const nplug_nest *nest, uint32_t player, uint32_t source, uint32_t taps)
{
    const np_game *game = &nest->game;
    np_taps found = {0, 0};

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        const np_binding *binding = &game->bindings[np_use_binding(&game->uses[at])];
        if (np_use_is_held(&game->uses[at]) || binding->gesture != NPLUG_GESTURE_TAP) continue;
        if (binding->taps <= taps || !np_layers_admit(nest, player, binding)) continue;
        if (!np_layers_see(&nest->layers, player, binding, source)) continue;
        if (binding->taps > found.most) found.most = binding->taps;
        if (binding->wait > found.wait) found.wait = binding->wait;
    }
    found.wait = np_comfort_wait(nest, player, found.wait);
    return found;
}

/* A source goes down: which tap of a row that is. */
static void count_tap(nplug_nest *nest, uint32_t player, uint32_t source, np_machine *machine,
                      const np_change *change)
{
    np_taps next = wanted(nest, player, source, machine->taps);

    if (change->time - machine->since > next.wait) machine->taps = 0;
    machine->taps++;
    machine->lasted = 0;
    machine->since = change->time;
    machine->device = change->device;
    np_timers_cancel(&nest->timers, NP_TIMER_TAP, player, source);
}

/* The binding's own taps are complete with this press: it fires at once where nobody wants more. */
static void press_tap(nplug_nest *nest, uint32_t player, uint32_t binding, uint32_t source,
                      const np_machine *machine, const np_change *change)
{
    uint8_t taps = nest->game.bindings[binding].taps;

    if (taps == 1 || machine->taps != taps) return;
    if (wanted(nest, player, source, taps).most == 0) fire(nest, player, binding, change);
}

/* It is let go: the tap is known now, or waits for a further one that may come. */
static void release_tap(nplug_nest *nest, uint32_t player, uint32_t binding, uint32_t source,
                        const np_machine *machine, const np_change *change)
{
    const np_binding *about = &nest->game.bindings[binding];
    uint8_t *marks = marks_of(&nest->gestures, player, binding);
    bool fired = (*marks & NP_MARK_HOLDS) != 0;

    cease(nest, player, binding, change);
    if (fired || machine->taps != about->taps || machine->lasted || change->cancelled) return;
    if (change->time - machine->since > np_comfort_wait(nest, player, about->wait)) return;
    if (wanted(nest, player, source, about->taps).most)
        *marks |= NP_MARK_WAITS;
    else
        strike(nest, player, binding, change);
}

/* All of a source's bindings have heard that it was let go. */
static void end_tap(nplug_nest *nest, uint32_t player, uint32_t source, np_machine *machine,
                    const np_change *change)
{
    np_taps next = wanted(nest, player, source, machine->taps);
    bool was_long = change->time - machine->since > next.wait;

    machine->since = change->time;
    if (machine->lasted || change->cancelled || was_long || next.most == 0)
        machine->taps = 0;
    else
        wait_until(nest, change->time + next.wait, NP_TIMER_TAP, player, source);
}

void np_gestures_settled(nplug_nest *nest, uint32_t player, uint32_t source, nplug_time time)
{
    const np_game *game = &nest->game;
    np_machine *machine = machine_of(nest, player, source);
    np_change change = {time, NP_NONE, 0, game->sources[source].control, false};

    if (!machine) return;
    change.device = machine->device;
    machine->taps = 0;
    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t binding = np_use_binding(&game->uses[at]);
        uint8_t *marks = marks_of(&nest->gestures, player, binding);
        if (np_use_is_held(&game->uses[at]) || !(*marks & NP_MARK_WAITS)) continue;
        *marks &= (uint8_t)~NP_MARK_WAITS;
        strike(nest, player, binding, &change);
    }
}

/* --- presses -------------------------------------------------------------------------------- */

static void begin(nplug_nest *nest, uint32_t player, uint32_t binding, uint32_t source,
                  const np_change *change)
{
    const np_binding *about = &nest->game.bindings[binding];
    uint8_t *marks = marks_of(&nest->gestures, player, binding);
    uint32_t wait = 0;

    if (nest->game.rules[about->action].merge == NPLUG_MERGE_LATEST)
        np_values_note_press(nest, player, binding);
    *marks |= NP_MARK_ARMED;
    *marks &= (uint8_t)~NP_MARK_WAITS;
    if (about->gesture == NPLUG_GESTURE_HOLD || about->gesture == NPLUG_GESTURE_REPEAT)
        wait = np_comfort_wait(nest, player, about->wait);
    else if (about->gesture == NPLUG_GESTURE_PRESS)
        wait = np_comfort_lasts(nest, player, about->action);
    if (about->gesture == NPLUG_GESTURE_REPEAT ||
        (about->gesture == NPLUG_GESTURE_PRESS && wait == 0))
        fire(nest, player, binding, change);
    if (wait) wait_until(nest, change->time + wait, NP_TIMER_HOLD, player, binding);
    if (about->gesture == NPLUG_GESTURE_TAP)
        press_tap(nest, player, binding, source, machine_of(nest, player, source), change);
}

static void end(nplug_nest *nest, uint32_t player, uint32_t binding, uint32_t source,
                const np_change *change)
{
    const np_binding *about = &nest->game.bindings[binding];
    uint8_t *marks = marks_of(&nest->gestures, player, binding);

    if (!(*marks & NP_MARK_ARMED)) return;
    *marks &= (uint8_t)~NP_MARK_ARMED;
    np_timers_cancel(&nest->timers, NP_TIMER_HOLD, player, binding);
    if (about->gesture == NPLUG_GESTURE_TAP)
        release_tap(nest, player, binding, source, machine_of(nest, player, source), change);
    else if (about->gesture == NPLUG_GESTURE_RELEASE && !change->cancelled)
        strike(nest, player, binding, change);
    else
        cease(nest, player, binding, change);
}

void np_gestures_drop(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change)
{
    uint8_t *marks = marks_of(&nest->gestures, player, binding);

    if (*marks & NP_MARK_ARMED) np_timers_cancel(&nest->timers, NP_TIMER_HOLD, player, binding);
    *marks &= (uint8_t) ~(NP_MARK_ARMED | NP_MARK_WAITS);
    let_go(nest, player, binding, change);
}

void np_gestures_lasted(nplug_nest *nest, uint32_t player, uint32_t binding, nplug_time time)
{
    const np_binding *about = &nest->game.bindings[binding];
    uint32_t source = about->source[0];
    np_machine *machine = machine_of(nest, player, source);
    np_change change = {time, NP_NONE, np_sources_device(nest, player, source),
                        nest->game.sources[source].control, false};

    if (machine) machine->lasted = 1;
    if (about->gesture == NPLUG_GESTURE_REPEAT) {
        let_go(nest, player, binding, &change);
        wait_until(nest, time + np_comfort_wait(nest, player, about->every), NP_TIMER_HOLD, player,
                   binding);
    }
    fire(nest, player, binding, &change);
}

/* --- chords --------------------------------------------------------------------------------- */

/* What drives a chord went down before what must be held did: it is whole now. */
static bool complete(nplug_nest *nest, uint32_t player, uint32_t binding, const np_change *change)
{
    const np_binding *about = &nest->game.bindings[binding];

    if (about->shape != NP_SHAPE_ONE || about->gesture == NPLUG_GESTURE_TAP) return false;
    if (!np_sources_down(&nest->sources, player, about->source[0])) return false;
    if (!np_layers_admit(nest, player, about)) return false;
    if (!np_layers_see(&nest->layers, player, about, about->source[0])) return false;
    begin(nest, player, binding, about->source[0], change);
    return true;
}

/* A source that must be held for others went down or came up.  Whether it made a chord whole. */
static bool turn_held(nplug_nest *nest, uint32_t player, uint32_t source, const np_change *change,
                      bool pressed)
{
    const np_game *game = &nest->game;
    bool whole = false;

    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX;
         at = game->uses[at].next) {
        uint32_t binding = np_use_binding(&game->uses[at]);
        if (!np_use_is_held(&game->uses[at])) continue;
        if (!pressed) end(nest, player, binding, game->bindings[binding].source[0], change);
        np_layers_cover_binding(nest, player, binding, change->time);
        np_values_mark(nest, player, game->bindings[binding].action);
    }
    for (uint32_t at = game->sources[source].first_use; pressed && at != NP_NO_INDEX;
         at = game->uses[at].next)
        if (np_use_is_held(&game->uses[at]))
            whole |= complete(nest, player, np_use_binding(&game->uses[at]), change);
    return whole;
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
                         const np_change *change, bool pressed)
{
    const np_binding *about = &nest->game.bindings[binding];

    if (about->ramp != NP_NO_INDEX)
        np_values_turn_ramp(nest, player, binding, source, change->time);
    if (about->shape != NP_SHAPE_ONE && pressed) note_order(nest, player, binding, source);
    if (!pressed) {
        if (!any_down(nest, player, about)) end(nest, player, binding, source, change);
    } else if (np_layers_admit(nest, player, about) &&
               np_layers_see(&nest->layers, player, about, source)) {
        begin(nest, player, binding, source, change);
    }
}

/* Of a source that must be held for others; true where nothing else is to be done: the press that
 * makes a chord whole is the chord's alone. */
static bool turn_modifier(nplug_nest *nest, uint32_t player, uint32_t source,
                          const np_change *change, bool pressed)
{
    if (pressed) press_sticky(nest, player, source);
    if (!pressed && sticks(nest, player, source, change)) return false;
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

    if (is_plain(nest, player, source)) {
        turn_plain(nest, player, source, change, pressed);
        return;
    }
    if (game->sources[source].modifies && turn_modifier(nest, player, source, change, pressed))
        return;
    if (pressed && !game->sources[source].modifies) nest->gestures.alone[player] = 0;
    if (machine && pressed) count_tap(nest, player, source, machine, change);
    for (uint32_t at = game->sources[source].first_use; at != NP_NO_INDEX; at = game->uses[at].next)
        if (!np_use_is_held(&game->uses[at]))
            turn_binding(nest, player, np_use_binding(&game->uses[at]), source, change, pressed);
    if (machine && !pressed) end_tap(nest, player, source, machine, change);
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
