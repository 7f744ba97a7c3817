#include "actions.h"
#include "nest.h"

void np_actions_layout(np_actions *actions, np_carve *carve, const nplug_limits *limits)
{
    size_t players = limits->players + 1u;

    actions->list = (np_action *)np_carve_take(carve, players * limits->actions, sizeof(np_action));
    actions->action_limit = limits->actions;
}

/* Counts in a step that has no counts yet start at 0: so nothing needs to be swept at its head. */
static void open_step(np_action *state, uint32_t step)
{
    if (state->step == step) return;
    state->step = step;
    state->presses_in = state->releases_in = 0;
}

static void say_edge(nplug_nest *nest, uint32_t player, uint32_t action, uint64_t count,
                     const np_change *change, bool pressed)
{
    nplug_event *event =
        np_events_say(&nest->events, change->time,
                      pressed ? NPLUG_EVENT_PRESS : NPLUG_EVENT_RELEASE, change->device, player);

    event->action = action;
    event->control = change->id;
    event->count = count;
    event->value.x = pressed ? 1.0f : 0.0f;
    event->flags = change->cancelled ? NPLUG_EVENT_CANCELLED : 0;
}

/* A button's value is as it is held; any other one's is found in the value lane. */
static void set_button(nplug_nest *nest, uint32_t action, np_action *state, bool held)
{
    if (np_game_kind(&nest->game, action) == NPLUG_BUTTON) state->value.x = held;
}

void np_actions_press(nplug_nest *nest, uint32_t player, uint32_t action, const np_change *change)
{
    np_action *state = np_action_of(&nest->actions, player, action);

    if (player == 0) np_players_act(nest, player, action, change);
    if (state->held++) return;
    open_step(state, (uint32_t)nest->step);
    state->presses++;
    state->presses_in++;
    state->press_time = change->time;
    state->used = 0;
    set_button(nest, action, state, true);
    say_edge(nest, player, action, state->presses, change, true);
    if (player) np_players_act(nest, player, action, change);
}

void np_actions_release(nplug_nest *nest, uint32_t player, uint32_t action, const np_change *change)
{
    np_action *state = np_action_of(&nest->actions, player, action);

    if (--state->held) return;
    open_step(state, (uint32_t)nest->step);
    state->releases_in++;
    state->release_time = change->time;
    set_button(nest, action, state, false);
    say_edge(nest, player, action, state->presses, change, false);
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
