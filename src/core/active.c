#include "active.h"
#include "nest.h"
#include <math.h>
#include <string.h>

#define DWELL 150u    /* milliseconds, where the game says nothing */
#define NUDGE 40      /* counts that a mouse has to move */
#define PAUSE 200000u /* microseconds of rest after which a nudge is forgotten */
#define STILL 0.1f    /* what the controls of a set may change while it is not being moved */

void np_active_layout(np_actives *actives, np_carve *carve, const nplug_limits *limits)
{
    actives->of = (np_active *)np_carve_take(carve, limits->players + 1u, sizeof(np_active));
    for (uint32_t p = 0; carve->base && p <= limits->players; p++)
        actives->of[p].dwell = DWELL;
}

/* --- sets ----------------------------------------------------------------------------------- */

/* Which sort of set a device belongs to; 0: it is one for itself. */
static uint8_t set_of(const nplug_nest *nest, uint32_t device)
{
    static const uint8_t sets[NPLUG_KINDS] = {
        [NPLUG_KIND_KEYBOARD] = 1, [NPLUG_KIND_MOUSE] = 1,     [NPLUG_KIND_STICK] = 2,
        [NPLUG_KIND_WHEEL] = 3,    [NPLUG_KIND_HAND_LEFT] = 4, [NPLUG_KIND_HAND_RIGHT] = 4,
        [NPLUG_KIND_HEADSET] = 4};

    return sets[nest->recogniser.of[device].kind];
}

bool np_active_same_set(const nplug_nest *nest, uint32_t a, uint32_t b)
{
    return a == b || (set_of(nest, a) && set_of(nest, a) == set_of(nest, b));
}

/* Whether a device is of a player's active set. */
static bool is_active(const nplug_nest *nest, uint32_t player, uint32_t device)
{
    nplug_device active = nest->active.of[player].device;
    uint32_t place;

    if (active == np_devices_handle(&nest->devices, device)) return true;
    if (!set_of(nest, device)) return false;
    place = np_devices_index(&nest->devices, active);
    return place != NP_NONE && np_active_same_set(nest, place, device);
}

static bool hears(const nplug_nest *nest, uint32_t player, uint32_t device)
{
    uint32_t hearers = np_players_of(&nest->players, device);

    if (hearers == 0) hearers = !nest->players.parts[device].ignored;
    return (hearers >> player) & 1u;
}

/* --- what is moved now ------------------------------------------------------------------------ */

/* The sum of how far a device's axes are from their rest, and the furthest of its controls; as the
 * last reports say, whether a stage was called for them or not. */
static float measure(const nplug_nest *nest, uint32_t device, float *furthest)
{
    float sum = 0.0f;
    uint32_t signal;

    for (uint32_t i = 0; (signal = np_devices_signal(&nest->devices, device, i)) != NP_NONE; i++) {
        np_run run = nest->controls.of_signal[signal];
        for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
            const np_control *control = &nest->controls.list[nest->controls.wires[w].control];
            float value;
            if (control->nature > NPLUG_NATURE_AXIS || control->flags & NP_CONTROL_LEVER) continue;
            value = fabsf(np_wire_value(&nest->controls.wires[w], nest->devices.raw[signal]));
            if (value > *furthest) *furthest = value;
            sum += value;
        }
    }
    return sum;
}

/* The same of all devices of a player's active set. */
static float measure_set(const nplug_nest *nest, uint32_t player, float *furthest)
{
    float sum = 0.0f;

    *furthest = 0.0f;
    for (uint32_t i = 0; i < nest->devices.count; i++) {
        uint32_t device = nest->devices.order[i];
        if (hears(nest, player, device) && is_active(nest, player, device))
            sum += measure(nest, device, furthest);
    }
    return sum;
}

static nplug_time dwell_of(const np_active *active)
{
    return (nplug_time)active->dwell * 1000;
}

/* --- switching ------------------------------------------------------------------------------ */

static void use(nplug_nest *nest, uint32_t player, uint32_t device, bool press, nplug_time time);

static const char *family_of(const nplug_nest *nest, uint32_t device)
{
    const nplug_sheet *prints = nest->recogniser.of[device].prints;
    return prints && prints->family ? prints->family : "";
}

/* Whether what a player is shown is the same for both. */
static bool same_prompts(const nplug_nest *nest, const np_active *active, uint32_t a, uint32_t b)
{
    if (a == NP_NONE) return false;
    if (active->family[0]) return true;
    return (np_active_same_set(nest, a, b) ||
            nest->recogniser.of[a].kind == nest->recogniser.of[b].kind) &&
           (family_of(nest, a) == family_of(nest, b) ||
            strcmp(family_of(nest, a), family_of(nest, b)) == 0);
}

/* Where only the active set drives a player, all others are quiet. */
static void quieten(nplug_nest *nest, uint32_t player, nplug_time time)
{
    for (uint32_t i = 0; player && i < nest->devices.count; i++) {
        uint32_t device = nest->devices.order[i];
        np_players_quieten(nest, device, player,
                           nest->active.of[player].only && !is_active(nest, player, device), time);
    }
}

/* What an axis says now is what is known of it: whether it has left its rest since it was last
 * asked. */
static bool look_at(nplug_nest *nest, uint32_t signal)
{
    np_controls *controls = &nest->controls;
    np_run run = controls->of_signal[signal];
    bool left = false;

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        const np_control *control = &controls->list[controls->wires[w].control];
        if (control->nature != NPLUG_NATURE_AXIS) continue;
        np_controls_set(controls, &nest->devices, w, signal);
        left |= np_controls_leave(controls, controls->wires[w].control) == NP_EDGE_PRESS &&
                !(control->flags & NP_CONTROL_SPENT);
    }
    return left;
}

/* All axes of a device, which are watched from now on or not yet. */
static bool look_again(nplug_nest *nest, uint32_t device, bool watch)
{
    const np_devices *devices = &nest->devices;
    bool left = false;

    for (uint32_t at = devices->list[device].first_node; at != NP_NONE;
         at = devices->nodes[at].next) {
        uint32_t first = devices->nodes[at].first_signal, end = first + devices->nodes[at].signals;
        for (uint32_t signal = first; signal < end; signal++) {
            if (devices->signals[signal].nature != NPLUG_NATURE_AXIS) continue;
            left |= look_at(nest, signal);
            if (watch) np_devices_guard(&nest->devices, signal, false, 0, 0);
        }
    }
    return left;
}

/* Levers are parked where they say next that they are. */
static void unpark(nplug_nest *nest, uint32_t device)
{
    np_run all = nest->controls.of_device[device];

    for (uint32_t i = 0; i < NP_PARKED; i++)
        if (nest->active.parked[i].control - 1 - all.first < all.count)
            nest->active.parked[i].control = 0;
}

/* What a player might change to is looked at as it is now. */
static void note_others(nplug_nest *nest, uint32_t player)
{
    for (uint32_t i = 0; i < nest->devices.count; i++) {
        uint32_t device = nest->devices.order[i];
        if (!hears(nest, player, device) || is_active(nest, player, device)) continue;
        look_again(nest, device, false);
        unpark(nest, device);
    }
}

/* They are watched from now on; one that was moved meanwhile was used. */
static void watch_others(nplug_nest *nest, uint32_t player, nplug_time time)
{
    for (uint32_t i = 0; i < nest->devices.count; i++) {
        uint32_t device = nest->devices.order[i];
        if (!hears(nest, player, device) || is_active(nest, player, device)) continue;
        if (look_again(nest, device, true)) use(nest, player, device, false, time);
    }
}

/* Whatever is moved now would have to go on for the dwell to win: until then nothing is watched.
 * Who changes sets all the time, with both hands, is quiet all the time: the others are looked at
 * now and then only. */
static void be_quiet(nplug_nest *nest, uint32_t player, nplug_time time)
{
    np_active *active = &nest->active.of[player];

    if (active->rival) np_timers_cancel(&nest->timers, NP_TIMER_CONTEST, player, 0);
    if (active->rival || !active->quiet)
        active->quiet =
            np_timers_set(&nest->timers, time + dwell_of(active), NP_TIMER_CONTEST, player, 0);
    active->rival = 0;
    active->until = time + dwell_of(active);
    if (active->noted == 0 || time - active->noted >= dwell_of(active)) {
        active->noted = time;
        note_others(nest, player);
    }
    if (!active->quiet) watch_others(nest, player, time);
}

static void switch_to(nplug_nest *nest, uint32_t player, uint32_t device, nplug_time time)
{
    np_active *active = &nest->active.of[player];
    uint32_t was = np_devices_index(&nest->devices, active->device);
    nplug_event *event;

    active->device = np_devices_handle(&nest->devices, device);
    active->since = active->used = time;
    event = np_events_say(&nest->events, time, NPLUG_EVENT_ACTIVE, active->device, player);
    if (same_prompts(nest, active, was, device)) event->flags = NPLUG_EVENT_SAME_PROMPTS;
    if (active->only) quieten(nest, player, time);
    be_quiet(nest, player, time);
}

/* Whether what a player used last is here, and the player's. */
static bool is_kept(const nplug_nest *nest, uint32_t player)
{
    uint32_t device = np_devices_here(&nest->devices, nest->active.of[player].device);
    return device != NP_NONE && hears(nest, player, device);
}

/* What was not recognised has nothing that could be used; what is gone for a moment has again. */
static bool is_usable(const nplug_nest *nest, uint32_t device)
{
    return nest->controls.of_device[device].count > 0 ||
           nest->devices.list[device].first_node == NP_NONE;
}

void np_active_end(nplug_nest *nest, uint32_t player, nplug_time time)
{
    for (uint32_t i = 0; i < nest->devices.count && !is_kept(nest, player); i++)
        if (hears(nest, player, nest->devices.order[i]) && is_usable(nest, nest->devices.order[i]))
            switch_to(nest, player, nest->devices.order[i], time);
}

void np_active_begin(nplug_nest *nest, uint32_t player, uint32_t device, nplug_time time)
{
    if (!is_kept(nest, player) && is_usable(nest, device))
        switch_to(nest, player, device, time);
    else if (nest->active.of[player].only)
        quieten(nest, player, time);
}

static void ask_to_switch(nplug_nest *nest, uint32_t player, uint32_t device, nplug_time time)
{
    nplug_command command = {0};

    command.kind = NPLUG_COMMAND_ACTIVE;
    command.player = player;
    command.device = np_devices_handle(&nest->devices, device);
    np_outbox_put(nest, &command, time);
}

void np_active_take(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_here(&nest->devices, command->device);

    if (device == NP_NONE || !hears(nest, command->player, device)) return;
    if (!is_active(nest, command->player, device)) switch_to(nest, command->player, device, time);
}

/* --- use ------------------------------------------------------------------------------------ */

static void contest(nplug_nest *nest, uint32_t player, uint32_t device, nplug_time time)
{
    np_active *active = &nest->active.of[player];
    float furthest;

    active->rival = np_devices_handle(&nest->devices, device);
    active->moved = time;
    active->stance = measure_set(nest, player, &furthest);
    if (active->quiet) return; /* it is decided when that ends */
    if (np_timers_set(&nest->timers, time + dwell_of(active), NP_TIMER_CONTEST, player, 0)) return;
    active->rival = 0;
    np_limit_reached(nest, NPLUG_LIMIT_TIMERS, time);
}

static bool is_in_use(const nplug_nest *nest, uint32_t player, nplug_time time)
{
    const np_active *active = &nest->active.of[player];
    float furthest;

    if (active->quiet) return true;
    if (np_devices_here(&nest->devices, active->device) == NP_NONE) return false;
    measure_set(nest, player, &furthest);
    return furthest >= NP_BACK || time - active->used < dwell_of(active);
}

/* A player has used a device: by a press, or by moving something. */
static void use(nplug_nest *nest, uint32_t player, uint32_t device, bool press, nplug_time time)
{
    np_active *active = &nest->active.of[player];

    if ((active->ignored >> nest->recogniser.of[device].kind) & 1u) return;
    if (active->pin && np_devices_here(&nest->devices, active->pin) != NP_NONE) return;
    if (is_active(nest, player, device)) {
        active->used = time;
        active->device = np_devices_handle(&nest->devices, device);
    } else if (active->rival && !press) {
        return; /* one contest at a time */
    } else if (press || !is_in_use(nest, player, time)) {
        ask_to_switch(nest, player, device, time);
    } else {
        contest(nest, player, device, time);
    }
}

/* Who hears a control, and who would if only it were of the active set. */
static uint32_t hearers_of(const nplug_nest *nest, const np_control *control)
{
    uint32_t claiming = np_players_claiming(&nest->players, control);
    return claiming ? claiming : np_players_hearing(&nest->players, control);
}

static void use_for_all(nplug_nest *nest, const np_control *control, bool press, nplug_time time)
{
    uint32_t hearers = hearers_of(nest, control);

    for (; hearers; hearers = np_bits_rest(hearers))
        use(nest, np_bits_lowest(hearers), control->device, press, time);
}

static np_parked *parked_at(np_actives *actives, uint32_t control)
{
    for (uint32_t i = 0; i < NP_PARKED; i++)
        if (actives->parked[i].control == control + 1) return &actives->parked[i];
    return NULL;
}

/* Whether a lever was moved that far from where it was parked, and is parked here now. */
static bool is_pulled(np_actives *actives, uint32_t index, float value)
{
    np_parked *parked = parked_at(actives, index);
    bool pulled = parked && fabsf(value - parked->value) >= NP_AWAY;

    if (parked && !pulled) return false;
    if (!parked) parked = &actives->parked[actives->next_parked++ % NP_PARKED];
    parked->control = index + 1;
    parked->value = value;
    return pulled;
}

void np_active_hear(nplug_nest *nest, const np_change *change, np_edge edge)
{
    const np_control *control = &nest->controls.list[change->control];
    np_edge left = np_controls_leave(&nest->controls, change->control);

    if (control->flags & (NP_CONTROL_SPENT | NP_CONTROL_ASIDE)) return;
    if (control->flags & NP_CONTROL_LEVER) {
        if (is_pulled(&nest->active, change->control, control->value[0]))
            use_for_all(nest, control, false, change->time);
    } else if (edge == NP_EDGE_PRESS || left == NP_EDGE_PRESS) {
        use_for_all(nest, control, edge == NP_EDGE_PRESS, change->time);
    }
}

static void guard_lever(const nplug_nest *nest, uint32_t control, np_interval *interval)
{
    for (uint32_t i = 0; i < NP_PARKED; i++)
        if (nest->active.parked[i].control == control + 1)
            np_interval_narrow(interval, nest->active.parked[i].value - NP_AWAY,
                               nest->active.parked[i].value + NP_AWAY);
}

void np_active_guard(const nplug_nest *nest, uint32_t control, unsigned component,
                     np_interval *interval)
{
    const np_control *about = &nest->controls.list[control];
    nplug_device handle = np_devices_handle(&nest->devices, about->device);
    uint32_t hearers = hearers_of(nest, about);

    for (; hearers; hearers = np_bits_rest(hearers)) {
        uint32_t p = np_bits_lowest(hearers);
        const np_active *active = &nest->active.of[p];
        if (active->device == handle || active->rival || active->quiet) continue;
        if (is_active(nest, p, about->device)) continue;
        if (about->flags & NP_CONTROL_LEVER)
            guard_lever(nest, control, interval);
        else
            np_controls_guard_leave(about, component, interval);
        return;
    }
}

/* --- mice ----------------------------------------------------------------------------------- */

static np_nudge *nudge_of(np_actives *actives, uint32_t device)
{
    for (uint32_t i = 0; i < NP_NUDGES; i++)
        if (actives->nudges[i].device == device + 1) return &actives->nudges[i];
    actives->next_nudge = (actives->next_nudge + 1) % NP_NUDGES;
    memset(&actives->nudges[actives->next_nudge], 0, sizeof(np_nudge));
    actives->nudges[actives->next_nudge].device = device + 1;
    return &actives->nudges[actives->next_nudge];
}

/* Whether a mouse has come far enough, without a pause, to be meant; trembling comes nowhere. */
static bool is_meant(np_actives *actives, uint32_t device, const np_wire *wire, int32_t value,
                     nplug_time time)
{
    np_nudge *nudge = nudge_of(actives, device);
    int32_t *way = &nudge->way[wire->component & 1u];

    if (time - nudge->last > PAUSE) nudge->way[0] = nudge->way[1] = 0;
    nudge->last = time;
    if (*way > -1000000 && *way < 1000000 && value > -1000000 && value < 1000000) *way += value;
    if (nudge->way[0] > -NUDGE && nudge->way[0] < NUDGE && nudge->way[1] > -NUDGE &&
        nudge->way[1] < NUDGE)
        return false;
    nudge->way[0] = nudge->way[1] = 0;
    return true;
}

void np_active_slide(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    np_run run = nest->controls.of_signal[signal];
    const np_wire *wire = &nest->controls.wires[run.first];
    const np_control *control = &nest->controls.list[run.count ? wire->control : 0];
    bool wheel;

    if (run.count == 0 || value == 0 || control->flags & NP_CONTROL_MUTED) return;
    wheel = control->id == NPLUG_CONTROL(NPLUG_CLASS_MOUSE, NPLUG_MOUSE_WHEEL);
    for (uint32_t p = 0; p <= nest->players.limit; p++)
        if (nest->active.of[p].rival &&
            np_devices_here(&nest->devices, nest->active.of[p].rival) == control->device)
            nest->active.of[p].moved = time;
    if (wheel || is_meant(&nest->active, control->device, wire, value, time))
        use_for_all(nest, control, false, time);
}

/* --- contests -------------------------------------------------------------------------------- */

/* Whether a rival is being moved yet. */
static bool goes_on(const nplug_nest *nest, const np_active *active, uint32_t rival,
                    nplug_time time)
{
    float furthest = 0.0f;

    if (nest->recogniser.of[rival].kind == NPLUG_KIND_MOUSE)
        return time - active->moved < dwell_of(active) / 2;
    measure(nest, rival, &furthest);
    return furthest >= NP_BACK;
}

static void end_contest(nplug_nest *nest, uint32_t player, nplug_time time)
{
    nest->active.of[player].rival = 0;
    watch_others(nest, player, time);
}

void np_active_decide(nplug_nest *nest, uint32_t player, nplug_time time)
{
    np_active *active = &nest->active.of[player];
    uint32_t rival = active->rival ? np_devices_here(&nest->devices, active->rival) : NP_NONE;
    float furthest, stance;

    if (active->quiet && time < active->until &&
        np_timers_set(&nest->timers, active->until, NP_TIMER_CONTEST, player, 0))
        return; /* it was used again meanwhile */
    active->quiet = false;
    stance = rival == NP_NONE ? 0.0f : measure_set(nest, player, &furthest);
    if (rival == NP_NONE || !hears(nest, player, rival) || !goes_on(nest, active, rival, time)) {
        end_contest(nest, player, time);
    } else if (fabsf(stance - active->stance) < STILL && time - active->used >= dwell_of(active)) {
        active->rival = 0;
        ask_to_switch(nest, player, rival, time);
    } else {
        active->stance = stance;
        if (!np_timers_set(&nest->timers, time + dwell_of(active), NP_TIMER_CONTEST, player, 0))
            end_contest(nest, player, time);
    }
}

/* --- what the game wants ---------------------------------------------------------------------- */

void np_active_follow(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    np_active *active = &nest->active.of[command->player];
    const char *family = np_rebind_take_text(nest);
    uint32_t pin = np_devices_here(&nest->devices, command->device);
    size_t length = strlen(family);

    if (length >= sizeof active->family) length = 0;
    memcpy(active->family, family, length);
    active->family[length] = 0;
    active->pin = command->device;
    active->ignored = command->number;
    active->dwell = command->strong;
    active->only = command->on != 0;
    if (pin != NP_NONE && !is_active(nest, command->player, pin))
        switch_to(nest, command->player, pin, time);
    quieten(nest, command->player, time);
}

nplug_result nplug_follow(nplug_nest *nest, nplug_player player, const nplug_following *following)
{
    nplug_command command = {0};
    const char *family;

    if (!nest || !following || player > nest->players.limit) return NPLUG_ERR_ARGUMENT;
    if (following->size != sizeof *following) return NPLUG_ERR_SIZE;
    family = following->family ? following->family : "";
    if (strlen(family) >= NP_FAMILY_SIZE || following->dwell_ms > UINT16_MAX)
        return NPLUG_ERR_ARGUMENT;
    if (following->pin && np_devices_check(&nest->devices, following->pin) != NPLUG_OK)
        return np_devices_check(&nest->devices, following->pin);
    command.kind = NPLUG_COMMAND_FOLLOW;
    command.player = player;
    command.device = following->pin;
    command.number = following->ignored;
    command.strong = (uint16_t)following->dwell_ms;
    command.on = following->only;
    return np_commands_put_text(nest, family, &command);
}

nplug_active_set nplug_active(const nplug_nest *nest, nplug_player player)
{
    nplug_active_set set = {0, NPLUG_KIND_UNKNOWN, "", false, false, 0};
    const np_active *active;
    uint32_t device;

    if (!nest || player > nest->limits.players) return set;
    active = &nest->active.of[player];
    device = np_devices_index(&nest->devices, active->device);
    if (device != NP_NONE) {
        set.device = active->device;
        set.kind = nest->recogniser.of[device].kind;
        set.family = family_of(nest, device);
        set.present = np_devices_here(&nest->devices, active->device) != NP_NONE;
        set.since = active->since;
    }
    if (active->family[0]) set.family = active->family;
    set.pinned = active->family[0] || (active->pin && active->pin == active->device);
    return set;
}
