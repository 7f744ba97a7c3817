/* Picking: a player chooses a control by using it.
 *
 * Owns np_pick.  Comes in: a command; controls that move, notches.  Goes out: an event; what is
 * spent by it. */
#include "core/action/inside.h"
#include <math.h>
#include <string.h>

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

static void note_held(np_action_room *room)
{
    for (uint32_t i = 0; i < room->devices->count; i++) {
        np_run run = room->controls->of_device[room->devices->order[i]];
        for (uint32_t c = run.first; c < (uint32_t)run.first + run.count; c++)
            set_held(&room->pick, c, is_away(&room->controls->list[c]));
    }
}

static void end(np_action_room *room, nplug_source source, nplug_device device, uint16_t flags,
                nplug_time time)
{
    np_pick *pick = &room->pick;
    nplug_event *event = np_out_event(room->out, time, NPLUG_EVENT_PICK, device,
                                      pick->player ? pick->player : NPLUG_EVERYONE);

    pick->waits = pick->state.waits = false;
    np_timers_cancel(&room->out->timers, NP_TIMER_PICK, 0, 0);
    event->control = source.control;
    event->way = (uint8_t)source.way;
    event->flags = flags;
}

void np_pick_stop(np_action_room *room, uint16_t flags, nplug_time time)
{
    nplug_source none = {0, 0};
    if (room->pick.waits) end(room, none, 0, flags, time);
}

void np_pick_take(np_action_room *room, const nplug_command *command, nplug_time time)
{
    np_pick *pick = &room->pick;

    np_pick_stop(room, NPLUG_EVENT_FLAG_CANCELLED, time);
    memset(&pick->state, 0, sizeof pick->state);
    pick->waits = pick->state.waits = true;
    pick->player = command->player;
    pick->kinds = command->device;
    pick->cancel = command->control;
    pick->takes = command->on != 0;
    pick->threshold = (float)command->strong / 65535.0f;
    pick->until = command->number ? time + (nplug_time)command->number * 1000u : 0;
    note_held(room);
    if (pick->until) np_out_timer(room->out, pick->until, NP_TIMER_PICK, 0, 0, time);
}

/* --- which control -------------------------------------------------------------------------- */

static bool is_watched(const np_action_room *room, const np_control *control)
{
    const np_pick *pick = &room->pick;
    uint32_t hearers = np_players_hearing(room->players, control);

    if (pick->player && !((hearers >> pick->player) & 1u)) return false;
    return pick->kinds == 0 || ((pick->kinds >> room->recogniser->of[control->device].kind) & 1u);
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

/* A contact is a zone's or points, and is picked as that. */
static bool is_contact(const np_control *control)
{
    return NPLUG_CONTROL_CLASS(control->id) == NPLUG_CLASS_TOUCH &&
           NPLUG_CONTROL_INDEX(control->id) < NPLUG_TOUCH_CONTACT_PRESSURE;
}

/* What is spent is not used; but for what this pick itself takes from the game. */
static bool can_be_picked(const np_pick *pick, const np_control *control)
{
    return control->nature != NPLUG_NATURE_DELTA && control->nature != NPLUG_NATURE_POSITION &&
           control->nature != NPLUG_NATURE_POSE && control->nature != NPLUG_NATURE_SENSOR &&
           !(control->flags & NP_CONTROL_ASIDE) && !is_contact(control) &&
           (pick->takes || !(control->flags & NP_CONTROL_SPENT));
}

static void note_nearest(np_action_room *room, uint32_t device, nplug_source source, float share)
{
    nplug_pick_facts *state = &room->pick.state;

    if (state->source.control != source.control && share < state->share) return;
    state->source = source;
    state->device = np_devices_handle(room->devices, device);
    state->share = share > 1.0f ? 1.0f : share;
}

/* It was chosen; or the choosing was called off by it. */
static void choose(np_action_room *room, nplug_source source, const np_change *change)
{
    if (source.control == room->pick.cancel)
        np_pick_stop(room, NPLUG_EVENT_FLAG_CANCELLED, change->time);
    else
        end(room, source, change->device, 0, change->time);
}

bool np_pick_hear(np_action_room *room, const np_change *change)
{
    np_pick *pick = &room->pick;
    const np_control *control = &room->controls->list[change->control];
    nplug_source source;
    float far;

    if (!is_away(control)) set_held(pick, change->control, false);
    if (!is_watched(room, control) || !can_be_picked(pick, control)) return false;
    if ((pick->held[change->control / 8] >> (change->control % 8)) & 1u) return false;
    source = direction_of(control, &far);
    note_nearest(room, control->device, source, far / pick->threshold);
    if (far < pick->threshold) return pick->takes && is_away(control);
    choose(room, source, change);
    return true;
}

bool np_pick_takes(const np_action_room *room, const np_control *control)
{
    return room->pick.waits && room->pick.takes && !(control->flags & NP_CONTROL_MUTED) &&
           is_watched(room, control);
}

bool np_pick_notch(np_action_room *room, const np_change *change, uint16_t way)
{
    const np_control *control = &room->controls->list[change->control];
    nplug_source source = {control->id, way};

    if (!room->pick.waits || !is_watched(room, control)) return false;
    note_nearest(room, control->device, source, 1.0f);
    choose(room, source, change);
    return true;
}
