/* Actions: how often each was pressed, what it came to, and whose value is to be found again.
 *
 * Owns np_actions, and what bindings hold (np_gestures.marks).  Comes in: a binding fires, ends or
 * is cancelled; a control moved.  Goes out: events of presses, releases and values; wishes for a
 * seat. */
#include "core/action/inside.h"

/* Counts in a step that has no counts yet start at 0: so nothing needs to be swept at its head. */
static void open_step(np_action *state, uint32_t step)
{
    if (state->step == step) return;
    state->step = step;
    state->presses_in = state->releases_in = 0;
}

static void tell_edge(np_action_room *room, uint32_t player, uint32_t action, uint64_t count,
                      const np_change *change, bool pressed)
{
    nplug_event *event =
        np_out_event(room->out, change->time, pressed ? NPLUG_EVENT_PRESS : NPLUG_EVENT_RELEASE,
                     change->device, player);

    event->action = action;
    event->control = change->id;
    event->press_count = count;
    event->value.x = pressed ? 1.0f : 0.0f;
    event->flags = change->cancelled ? NPLUG_EVENT_FLAG_CANCELLED : 0;
}

/* A button's value is as it is held; any other one's is found in the value lane. */
static void set_button(np_action_room *room, uint32_t action, np_action *state, bool held)
{
    if (np_game_kind(room->game, action) == NPLUG_ACTION_BUTTON) state->value.x = held;
}

/* An action may be the wish for a seat, or to leave one. */
static void ask_for_seat(np_action_room *room, uint32_t player, uint32_t action,
                         const np_change *change)
{
    const np_players *players = room->players;
    nplug_command command = {0};

    if (action != (player ? players->leave : players->join)) return;
    command.kind = player ? NPLUG_COMMAND_LEAVE : NPLUG_COMMAND_JOIN;
    command.player = player;
    command.device = player ? 0 : change->device;
    command.control = player ? 0 : change->id;
    np_out_command(room->out, &command, change->time);
}

void np_actions_press(np_action_room *room, uint32_t player, uint32_t action,
                      const np_change *change)
{
    np_action *state = np_action_of(&room->actions, player, action);

    if (player == 0) ask_for_seat(room, player, action, change);
    if (state->held++) return;
    open_step(state, (uint32_t)room->step);
    state->presses++;
    state->presses_in++;
    state->press_time = change->time;
    state->used = 0;
    set_button(room, action, state, true);
    tell_edge(room, player, action, state->presses, change, true);
    if (player) ask_for_seat(room, player, action, change);
}

void np_actions_release(np_action_room *room, uint32_t player, uint32_t action,
                        const np_change *change)
{
    np_action *state = np_action_of(&room->actions, player, action);

    if (--state->held) return;
    open_step(state, (uint32_t)room->step);
    state->releases_in++;
    state->release_time = change->time;
    set_button(room, action, state, false);
    tell_edge(room, player, action, state->presses, change, false);
}

void np_actions_set(np_action *state, nplug_vec2 value)
{
    state->value = value;
}

void np_actions_begin_motion(np_action *state)
{
    state->moved = state->value.x != 0.0f || state->value.y != 0.0f;
    state->value.x = state->value.y = 0.0f;
}

void np_actions_move(np_action *state, nplug_vec2 way)
{
    state->value.x += way.x;
    state->value.y += way.y;
}

void np_actions_set_dirty(np_action *state, bool dirty)
{
    state->dirty = dirty;
}

void np_actions_keep(np_action *state, bool kept)
{
    state->kept = kept;
}

void np_actions_use(np_action *state)
{
    state->used = 1;
}

void np_actions_tell_value(np_action_room *room, uint32_t player, uint32_t action, nplug_vec2 value,
                           nplug_time time)
{
    nplug_event *event = np_out_event(room->out, time, NPLUG_EVENT_VALUE, 0, player);

    event->action = action;
    event->value = value;
}

/* --- what is to be found again -------------------------------------------------------------- */

static void mark(np_action_room *room, np_action *state, uint32_t player, uint32_t action)
{
    np_values *values = &room->values;

    if (state->dirty) return;
    np_actions_set_dirty(state, true);
    if (room->game->timed && np_game_kind(room->game, action) == NPLUG_ACTION_MOTION) {
        room->motions.moving[room->motions.count++] = player << 16 | action;
        return;
    }
    values->dirty[values->dirty_count++] = player << 16 | action;
    if (room->game->timed) values->latest |= room->game->rules[action].merge == NPLUG_MERGE_LATEST;
}

void np_marks_action(np_action_room *room, uint32_t player, uint32_t action)
{
    if (!np_kind_gives_values(np_game_kind(room->game, action))) return;
    mark(room, np_action_of(&room->actions, player, action), player, action);
}

/* What a control that drives an action does to it. */
typedef enum deed { MARKS, MOVES, KEEPS } deed;

static void do_for(np_action_room *room, uint32_t hearers, uint32_t action, deed deed)
{
    for (; hearers; hearers = np_bits_rest(hearers)) {
        uint32_t player = np_bits_lowest(hearers);
        np_action *state = np_action_of(&room->actions, player, action);
        if (deed != MARKS) np_actions_keep(state, deed == KEEPS);
        if (deed != KEEPS) mark(room, state, player, action);
    }
}

/* Does that to all actions that give values and hear a control.  None is a button or a pose. */
static void do_to_actions(np_action_room *room, uint32_t control, deed deed)
{
    const np_game *game = room->game;
    const np_control *about = &room->controls->list[control];
    const np_link *links = room->sources.links;
    const np_use *uses = game->uses;
    uint32_t hearers = np_players_hearing(room->players, about);

    for (uint32_t link = room->sources.of_control[control]; link != NP_NO_INDEX;
         link = links[link].of_control) {
        const np_source *source = &game->sources[links[link].source];
        if (source->gives == 0) continue;
        for (uint32_t at = source->first_use; at != NP_NO_INDEX; at = uses[at].next) {
            const np_binding *binding = &game->bindings[np_use_binding(&uses[at])];
            if (!np_kind_gives_values((nplug_action_kind)binding->kind)) continue;
            if (deed == KEEPS && !(about->flags & NP_CONTROL_LEVER) &&
                !game->rules[binding->action].stays)
                continue;
            do_for(room, hearers, binding->action, deed);
        }
    }
}

void np_marks_control(np_action_room *room, uint32_t control, bool moved)
{
    do_to_actions(room, control, moved ? MOVES : MARKS);
}

void np_marks_keep_device(np_action_room *room, uint32_t device)
{
    np_run run = room->controls->of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        do_to_actions(room, i, KEEPS);
}

void np_marks_drop_kept(np_action_room *room, uint32_t player, uint32_t action)
{
    np_actions_keep(np_action_of(&room->actions, player, action), false);
    np_marks_action(room, player, action);
}

void np_marks_device(np_action_room *room, uint32_t device)
{
    np_run run = room->controls->of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        np_marks_control(room, i, false);
}

/* --- what a binding tells its action -------------------------------------------------------- */

/* Where a player wants it, a press of a button holds until the next one. */
bool np_presses_toggle(const np_action_room *room, uint32_t player, uint32_t binding)
{
    return room->game->bindings[binding].kind == NPLUG_ACTION_BUTTON &&
           room->game->bindings[binding].gesture != NPLUG_GESTURE_REPEAT &&
           np_comfort_has(room->asked, player, room->game->bindings[binding].action,
                          NP_COMFORT_TOGGLE);
}

void np_presses_release(np_action_room *room, uint32_t player, uint32_t binding,
                        const np_change *change)
{
    uint8_t *marks = np_presses_marks(&room->gestures, player, binding);

    if (!(*marks & NP_MARK_HOLDS)) return;
    *marks &= (uint8_t)~NP_MARK_HOLDS;
    np_actions_release(room, player, room->game->bindings[binding].action, change);
}

/* Whether a player holds another one of the actions of which only one may be held. */
static bool holds_another(const np_action_room *room, uint32_t player, uint32_t action)
{
    uint8_t one_of = room->game->rules[action].one_of;

    for (uint32_t a = 0; one_of && a < room->game->def.action_count; a++)
        if (a != action && room->game->rules[a].one_of == one_of &&
            np_action_of(&room->actions, player, a)->held)
            return true;
    return false;
}

/* A player whose hand trembles does not want a press again that soon. */
static bool comes_too_soon(const np_action_room *room, uint32_t player, uint32_t action,
                           nplug_time time)
{
    const np_action *state = np_action_of(&room->actions, player, action);
    uint32_t again = np_comfort_again(room->asked, player, action);

    return again && state->presses && time - state->release_time < again;
}

/* Whether an action that nothing holds may be pressed, by its rule and by the player's comfort. */
static bool may_press(const np_action_room *room, uint32_t player, uint32_t action, nplug_time time)
{
    if (player == 0 && room->players->join != NP_NO_INDEX && action != room->players->join)
        return false;
    if (np_action_of(&room->actions, player, action)->held) return true;
    return !holds_another(room, player, action) && !comes_too_soon(room, player, action, time);
}

void np_presses_fire(np_action_room *room, uint32_t player, uint32_t binding,
                     const np_change *change)
{
    uint8_t *marks = np_presses_marks(&room->gestures, player, binding);

    if (*marks & NP_MARK_HOLDS) {
        if (np_presses_toggle(room, player, binding))
            np_presses_release(room, player, binding, change);
        return;
    }
    if (!may_press(room, player, room->game->bindings[binding].action, change->time)) return;
    *marks |= NP_MARK_HOLDS;
    np_actions_press(room, player, room->game->bindings[binding].action, change);
}

/* What was pressed comes up: it holds no more, but where the player wants presses to toggle. */
void np_presses_end(np_action_room *room, uint32_t player, uint32_t binding,
                    const np_change *change)
{
    if (change->cancelled || !np_presses_toggle(room, player, binding))
        np_presses_release(room, player, binding, change);
}

/* A press that is over as soon as it is known. */
void np_presses_strike(np_action_room *room, uint32_t player, uint32_t binding,
                       const np_change *change)
{
    np_presses_fire(room, player, binding, change);
    np_presses_end(room, player, binding, change);
}

void np_presses_cancel(np_action_room *room, uint32_t player, uint32_t binding,
                       const np_change *change)
{
    uint8_t *marks = np_presses_marks(&room->gestures, player, binding);

    if (*marks & NP_MARK_ARMED)
        np_timers_cancel(&room->out->timers, NP_TIMER_HOLD, player, binding);
    *marks &= (uint8_t)~NP_MARK_ARMED;
    *np_presses_row(&room->gestures, player, binding) = 0;
    np_presses_release(room, player, binding, change);
}
