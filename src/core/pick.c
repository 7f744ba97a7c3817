#include "pick.h"
#include "nest.h"
#include <math.h>
#include <string.h>

#define THRESHOLD 0.6f

void np_pick_layout(np_pick *pick, np_carve *carve, const nplug_limits *limits)
{
    pick->held = (uint8_t *)np_carve_take(carve, (limits->controls + 7u) / 8u, 1);
}

/* --- beginning and ending ------------------------------------------------------------------- */

static void set_held(np_pick *pick, uint32_t control, bool held)
{
    uint8_t bit = (uint8_t)(1u << (control % 8));
    pick->held[control / 8] =
        (uint8_t)(held ? pick->held[control / 8] | bit : pick->held[control / 8] & ~bit);
}

static bool is_away(const np_control *control)
{
    return fabsf(control->value[0]) >= NP_REST || fabsf(control->value[1]) >= NP_REST;
}

static void note_held(nplug_nest *nest)
{
    for (uint32_t i = 0; i < nest->devices.count; i++) {
        np_run run = nest->controls.of_device[nest->devices.order[i]];
        for (uint32_t c = run.first; c < (uint32_t)run.first + run.count; c++)
            set_held(&nest->pick, c, is_away(&nest->controls.list[c]));
    }
}

static void end(nplug_nest *nest, nplug_source source, nplug_device device, uint16_t flags,
                nplug_time time)
{
    np_pick *pick = &nest->pick;
    nplug_event *event = np_events_say(&nest->events, time, NPLUG_EVENT_PICK, device, pick->player);

    pick->waits = pick->state.waits = false;
    np_timers_cancel(&nest->timers, NP_TIMER_PICK, 0, 0);
    event->control = source.control;
    event->count = source.way;
    event->flags = flags;
    np_guards_empty_all(nest); /* axes were heard at every move */
}

void np_pick_stop(nplug_nest *nest, uint16_t flags, nplug_time time)
{
    nplug_source none = {0, 0};
    if (nest->pick.waits) end(nest, none, 0, flags, time);
}

void np_pick_take(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    np_pick *pick = &nest->pick;

    np_pick_stop(nest, NPLUG_EVENT_CANCELLED, time);
    memset(&pick->state, 0, sizeof pick->state);
    pick->waits = pick->state.waits = true;
    pick->player = command->player;
    pick->kinds = command->device;
    pick->cancel = command->control;
    pick->takes = command->on != 0;
    pick->threshold = (float)command->strong / 65535.0f;
    pick->until = command->number ? time + (nplug_time)command->number * 1000u : 0;
    note_held(nest);
    np_guards_empty_all(nest); /* axes have to be heard at every move while it waits */
    if (pick->until && !np_timers_set(&nest->timers, pick->until, NP_TIMER_PICK, 0, 0))
        np_limit_reached(nest, NPLUG_LIMIT_TIMERS, time);
}

/* --- which control -------------------------------------------------------------------------- */

static bool is_watched(const nplug_nest *nest, const np_control *control)
{
    const np_pick *pick = &nest->pick;
    uint32_t hearers = np_players_hearing(&nest->players, control);

    if (pick->player && !((hearers >> pick->player) & 1u)) return false;
    return pick->kinds == 0 || ((pick->kinds >> nest->recogniser.of[control->device].kind) & 1u);
}

/* The direction of a control in which it is furthest, and how far. */
static nplug_source direction_of(const np_control *control, float *far)
{
    nplug_source source = {control->id, NPLUG_WAY_WHOLE};
    float x = control->value[0], y = control->components == 2 ? control->value[1] : 0.0f;
    bool across = fabsf(x) >= fabsf(y);

    *far = across ? fabsf(x) : fabsf(y);
    if (control->components != 2 && !(control->flags & NP_CONTROL_BOTH)) return source;
    if (across)
        source.way = x < 0.0f ? NPLUG_WAY_LEFT : NPLUG_WAY_RIGHT;
    else
        source.way = y < 0.0f ? NPLUG_WAY_DOWN : NPLUG_WAY_UP;
    return source;
}

/* What is spent is not used; but for what this pick itself takes from the game. */
static bool can_be_picked(const np_pick *pick, const np_control *control)
{
    return control->nature != NPLUG_NATURE_DELTA && control->nature != NPLUG_NATURE_POSITION &&
           control->nature != NPLUG_NATURE_POSE && control->nature != NPLUG_NATURE_SENSOR &&
           !(control->flags & NP_CONTROL_ASIDE) &&
           (pick->takes || !(control->flags & NP_CONTROL_SPENT));
}

static void note_nearest(nplug_nest *nest, uint32_t device, nplug_source source, float share)
{
    nplug_pick_state *state = &nest->pick.state;

    if (state->source.control != source.control && share < state->share) return;
    state->source = source;
    state->device = np_devices_handle(&nest->devices, device);
    state->share = share > 1.0f ? 1.0f : share;
}

void np_pick_hear(nplug_nest *nest, const np_change *change)
{
    np_pick *pick = &nest->pick;
    np_control *control = &nest->controls.list[change->control];
    nplug_source source;
    float far;

    if (!is_away(control)) set_held(pick, change->control, false);
    if (!is_watched(nest, control) || !can_be_picked(pick, control)) return;
    if ((pick->held[change->control / 8] >> (change->control % 8)) & 1u) return;
    source = direction_of(control, &far);
    note_nearest(nest, control->device, source, far / pick->threshold);
    if (pick->takes && is_away(control)) np_controls_spend(&nest->controls, change->control, false);
    if (far < pick->threshold) return;
    np_controls_spend(&nest->controls, change->control, false);
    if (control->id == pick->cancel)
        np_pick_stop(nest, NPLUG_EVENT_CANCELLED, change->time);
    else
        end(nest, source, change->device, 0, change->time);
}

bool np_pick_takes(const nplug_nest *nest, const np_control *control)
{
    return nest->pick.waits && nest->pick.takes && !(control->flags & NP_CONTROL_MUTED) &&
           is_watched(nest, control);
}

void np_pick_slide(nplug_nest *nest, uint32_t signal)
{
    np_run run = nest->controls.of_signal[signal];

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        uint32_t control = nest->controls.wires[w].control;
        if (np_pick_takes(nest, &nest->controls.list[control]))
            np_controls_spend(&nest->controls, control, true);
    }
}

bool np_pick_notch(nplug_nest *nest, const np_change *change, uint16_t way)
{
    const np_control *control = &nest->controls.list[change->control];
    nplug_source source = {control->id, way};

    if (!nest->pick.waits || !is_watched(nest, control)) return false;
    note_nearest(nest, control->device, source, 1.0f);
    np_controls_spend(&nest->controls, change->control, true);
    if (control->id == nest->pick.cancel)
        np_pick_stop(nest, NPLUG_EVENT_CANCELLED, change->time);
    else
        end(nest, source, change->device, 0, change->time);
    return true;
}

/* --- calls ---------------------------------------------------------------------------------- */

nplug_result nplug_pick_begin(nplug_nest *nest, const nplug_pick *pick)
{
    nplug_command command = {0};

    if (!nest || !pick) return NPLUG_ERR_ARGUMENT;
    if (pick->size != sizeof *pick) return NPLUG_ERR_SIZE;
    if (!(pick->threshold >= 0.0f && pick->threshold <= 1.0f)) return NPLUG_ERR_ARGUMENT;
    command.kind = NPLUG_COMMAND_PICK;
    command.player = pick->player;
    command.number = pick->milliseconds;
    command.device = pick->kinds;
    command.control = pick->cancel;
    command.on = pick->takes;
    command.strong = (uint16_t)((pick->threshold > 0.0f ? pick->threshold : THRESHOLD) * 65535.0f);
    return nplug_post(nest, &command);
}

nplug_result nplug_pick_end(nplug_nest *nest)
{
    nplug_command command = {0};

    command.kind = NPLUG_COMMAND_PICK_END;
    return nplug_post(nest, &command);
}

nplug_pick_state nplug_pick_look(const nplug_nest *nest)
{
    nplug_pick_state state = {0};

    if (!nest) return state;
    state = nest->pick.state;
    if (state.waits && nest->pick.until > nest->feed.processed)
        state.left = nest->pick.until - nest->feed.processed;
    return state;
}
