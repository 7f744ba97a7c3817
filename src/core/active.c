#include "active.h"
#include "nest.h"
#include <math.h>
#include <string.h>

#define DWELL 150u    /* milliseconds, where the game says nothing */
#define NUDGE 40      /* counts that a mouse has to move */
#define LOOK  100000u /* microseconds between two looks at what is moved */
#define STILL                                                                                      \
    0.1f /* what the axes of a set may change between two looks and stand all the same             \
          */

void np_active_layout(np_actives *actives, np_carve *carve, const nplug_limits *limits)
{
    actives->of = (np_active *)np_carve_take(carve, limits->players + 1u, sizeof(np_active));
    actives->ways = (np_way *)np_carve_take(carve, limits->devices, sizeof(np_way));
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

/* --- what a player is shown ----------------------------------------------------------------- */

/* What is printed on a sort of set, or on all where the game says which family that is. */
typedef struct np_shown {
    const char *family;
    uint32_t sort;
} np_shown;
#define ALL_SORTS UINT32_MAX

static const char *family_of(const nplug_nest *nest, uint32_t device)
{
    const nplug_sheet *prints = nest->recogniser.of[device].prints;
    return prints && prints->family ? prints->family : "";
}

static np_shown shown_of(const nplug_nest *nest, const np_active *active)
{
    uint32_t device = np_devices_index(&nest->devices, active->device);
    np_shown shown = {active->family, ALL_SORTS};

    if (active->family[0]) return shown;
    shown.sort = 0;
    if (device == NP_NONE) return shown;
    shown.family = family_of(nest, device);
    shown.sort = set_of(nest, device) ? NPLUG_KINDS + (uint32_t)set_of(nest, device)
                                      : (uint32_t)nest->recogniser.of[device].kind;
    return shown;
}

static bool is_same_shown(np_shown a, np_shown b)
{
    bool same_sort =
        a.sort == b.sort || ((a.sort == ALL_SORTS || b.sort == ALL_SORTS) && a.family[0]);

    return same_sort && (a.family == b.family || strcmp(a.family, b.family) == 0);
}

/* What a player uses has changed, or what that player is shown of it. */
static void say(nplug_nest *nest, uint32_t player, const np_active *before, nplug_time time)
{
    const np_active *active = &nest->active.of[player];
    nplug_event *event =
        np_events_say(&nest->events, time, NPLUG_EVENT_ACTIVE, active->device, player);

    if (is_same_shown(shown_of(nest, before), shown_of(nest, active)))
        event->flags = NPLUG_EVENT_SAME_PROMPTS;
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

/* --- what is moved now ------------------------------------------------------------------------ */

/* The next device of a player's active set from a place on; their count at the end.  Most sets are
 * one device. */
static uint32_t next_of_set(const nplug_nest *nest, uint32_t player, uint32_t place)
{
    while (place < nest->devices.count && !is_active(nest, player, nest->devices.order[place]))
        place++;
    return place;
}

/* How far the axes of a player's active set are from their rest, all together. */
static float measure_set(const nplug_nest *nest, uint32_t player)
{
    uint32_t first = np_devices_here(&nest->devices, nest->active.of[player].device);
    float sum = 0.0f;

    if (first == NP_NONE) return sum;
    if (!set_of(nest, first))
        return hears(nest, player, first)
                   ? np_controls_distance(&nest->controls, &nest->devices, first)
                   : sum;
    for (uint32_t i = next_of_set(nest, player, 0); i < nest->devices.count;
         i = next_of_set(nest, player, i + 1))
        if (hears(nest, player, nest->devices.order[i]))
            sum += np_controls_distance(&nest->controls, &nest->devices, nest->devices.order[i]);
    return sum;
}

static nplug_time dwell_of(const np_active *active)
{
    return (nplug_time)active->dwell * 1000;
}

static bool stands_elsewhere(const nplug_nest *nest, uint32_t player)
{
    const np_active *active = &nest->active.of[player];

    return active->looked && fabsf(measure_set(nest, player) - active->stance) >= STILL;
}

/* Whether the active set is being moved. */
static bool is_in_use(const nplug_nest *nest, uint32_t player, nplug_time time)
{
    const np_active *active = &nest->active.of[player];

    if (np_devices_here(&nest->devices, active->device) == NP_NONE) return false;
    return time - active->used < dwell_of(active) || active->moved ||
           stands_elsewhere(nest, player);
}

/* Time ends before its next look at the very last. */
static void look_next(nplug_nest *nest, nplug_time time)
{
    nplug_time due = (time / LOOK + 1) * LOOK;

    if (nest->active.looking || due < time) return;
    nest->active.looking = np_timers_set(&nest->timers, due, NP_TIMER_LOOK, 0, 0);
}

static bool look_at(nplug_nest *nest, uint32_t player)
{
    np_active *active = &nest->active.of[player];
    float stance;

    if (np_devices_here(&nest->devices, active->device) == NP_NONE) return false;
    stance = measure_set(nest, player);
    active->moved = active->looked && fabsf(stance - active->stance) >= STILL;
    active->stance = stance;
    active->looked = true;
    return true;
}

static bool any_is_pulled(const nplug_nest *nest, uint32_t device)
{
    np_run run = nest->controls.of_device[device];
    bool pulled = false;

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        pulled |= (nest->controls.list[i].flags & NP_CONTROL_PULLED) != 0;
    return pulled;
}

/* Whether a movement goes on. */
static bool goes_on(const nplug_nest *nest, uint32_t device, nplug_time time)
{
    return np_controls_any_away(&nest->controls, &nest->devices, device) ||
           np_devices_slides(&nest->devices, device, time) || any_is_pulled(nest, device);
}

/* Whether somebody hears a device and uses another one. */
static bool may_be_changed_to(const nplug_nest *nest, uint32_t device)
{
    uint32_t hearers = np_players_of(&nest->players, device);
    bool may = false;

    for (hearers = hearers ? hearers : 1u; hearers && !may; hearers = np_bits_rest(hearers))
        may = !is_active(nest, np_bits_lowest(hearers), device);
    return may;
}

/* What has come to rest may begin a movement again, and the one that was is over. */
static void look_at_device(nplug_nest *nest, uint32_t device, nplug_time time)
{
    if (!nest->controls.unready[device] || !may_be_changed_to(nest, device)) return;
    np_controls_make_ready(&nest->controls, &nest->devices, device);
    if (nest->active.contests && !goes_on(nest, device, time)) np_active_stop(nest, device);
}

/* In a silence nothing is moved: the last look of it says as much as all. */
void np_active_look(nplug_nest *nest, nplug_time time, nplug_time silence)
{
    bool any = false;

    for (uint32_t p = 0; p <= nest->players.limit; p++)
        any |= look_at(nest, p);
    for (uint32_t i = 0; i < nest->devices.count; i++)
        look_at_device(nest, nest->devices.order[i], time);
    nest->active.looking = false;
    if (silence >= time + 2 * LOOK) time = (silence / LOOK - 1) * LOOK;
    if (any) look_next(nest, time);
}

/* --- switching ------------------------------------------------------------------------------ */

/* Levers are parked where they say next that they are. */
static void unpark(nplug_nest *nest, uint32_t player, uint32_t device)
{
    np_run all = nest->controls.of_device[device];

    (void)player;
    for (uint32_t i = 0; i < NP_PARKED; i++) {
        np_parked *parked = &nest->active.parked[i];
        if (parked->control == 0 || parked->control - 1 - all.first >= all.count) continue;
        np_controls_pull(&nest->controls, parked->control - 1, false);
        parked->control = 0;
        np_guards_empty(nest, device);
    }
}

/* What is done with each device of a player's active set. */
typedef void on_device(nplug_nest *nest, uint32_t player, uint32_t device);

static void for_set(nplug_nest *nest, uint32_t player, on_device *each)
{
    uint32_t first = np_devices_here(&nest->devices, nest->active.of[player].device);

    if (first == NP_NONE) return;
    if (!set_of(nest, first)) {
        each(nest, player, first);
        return;
    }
    for (uint32_t i = next_of_set(nest, player, 0); i < nest->devices.count;
         i = next_of_set(nest, player, i + 1))
        each(nest, player, nest->devices.order[i]);
}

static void end_contest(nplug_nest *nest, uint32_t player, uint32_t device)
{
    if (nest->active.contests == 0) return;
    nest->active.contests -= np_timers_cancel(&nest->timers, NP_TIMER_CONTEST, player, device);
}

static void settle_in(nplug_nest *nest, uint32_t player, uint32_t device)
{
    np_controls_make_unready(&nest->controls, device);
    end_contest(nest, player, device);
}

/* The levers of the set that was the active one stand where they stand; of the one that is, no axis
 * begins a movement. */
static void become(nplug_nest *nest, uint32_t player, uint32_t device, nplug_time time)
{
    np_active *active = &nest->active.of[player];

    if (nest->active.next_parked) for_set(nest, player, unpark);
    active->device = np_devices_handle(&nest->devices, device);
    active->since = active->used = time;
    active->looked = active->moved = false;
    for_set(nest, player, settle_in);
    look_next(nest, time);
}

static void switch_to(nplug_nest *nest, uint32_t player, uint32_t device, nplug_time time)
{
    np_active before = nest->active.of[player];

    become(nest, player, device, time);
    say(nest, player, &before, time);
    if (before.only) quieten(nest, player, time);
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

/* A movement that has to go on. */
static void contest(nplug_nest *nest, uint32_t player, uint32_t device, nplug_time time)
{
    nplug_time due = time + dwell_of(&nest->active.of[player]);

    if (np_timers_waits(&nest->timers, NP_TIMER_CONTEST, player, device)) return;
    if (np_timers_set(&nest->timers, due, NP_TIMER_CONTEST, player, device))
        nest->active.contests++;
    else
        np_limit_reached(nest, NPLUG_LIMIT_TIMERS, time);
}

static bool may_switch(const nplug_nest *nest, uint32_t player, uint32_t device)
{
    const np_active *active = &nest->active.of[player];

    if (active->ignored && (active->ignored >> nest->recogniser.of[device].kind) & 1u) return false;
    return !active->pin || np_devices_here(&nest->devices, active->pin) == NP_NONE;
}

/* A player has used a device: by a press, or by moving something. */
static void use(nplug_nest *nest, uint32_t player, uint32_t device, bool press, nplug_time time)
{
    np_active *active = &nest->active.of[player];

    if (!may_switch(nest, player, device)) return;
    if (is_active(nest, player, device)) {
        active->used = time;
        active->device = np_devices_handle(&nest->devices, device);
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

void np_active_stop(nplug_nest *nest, uint32_t device)
{
    for (uint32_t p = 0; p <= nest->players.limit; p++)
        end_contest(nest, p, device);
}

void np_active_decide(nplug_nest *nest, uint32_t player, uint32_t device, nplug_time time)
{
    nest->active.contests--;
    if (nest->devices.list[device].presence != NP_HERE || !hears(nest, player, device)) return;
    if (is_active(nest, player, device) || !may_switch(nest, player, device)) return;
    if (goes_on(nest, device, time)) switch_to(nest, player, device, time);
}

/* --- levers ---------------------------------------------------------------------------------- */

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

static void hear_lever(nplug_nest *nest, const np_change *change)
{
    const np_control *control = &nest->controls.list[change->control];

    if (control->flags & (NP_CONTROL_SPENT | NP_CONTROL_ASIDE)) return;
    if (!is_pulled(&nest->active, change->control, control->value[0])) return;
    np_controls_pull(&nest->controls, change->control, true);
    use_for_all(nest, control, false, change->time);
}

void np_active_hear(nplug_nest *nest, const np_change *change, np_edge edge)
{
    const np_control *control = &nest->controls.list[change->control];
    bool left = np_controls_leave(&nest->controls, change->control);

    if (control->flags & NP_CONTROL_LEVER) {
        hear_lever(nest, change);
        return;
    }
    if (control->flags & (NP_CONTROL_SPENT | NP_CONTROL_ASIDE)) return;
    if (edge == NP_EDGE_PRESS || left)
        use_for_all(nest, control, edge == NP_EDGE_PRESS, change->time);
}

bool np_active_guard(const nplug_nest *nest, uint32_t control, np_interval *interval)
{
    const np_control *about = &nest->controls.list[control];

    if (!(about->flags & NP_CONTROL_LEVER)) {
        np_controls_guard_leave(about, interval);
        return true;
    }
    for (uint32_t i = 0; i < NP_PARKED; i++) {
        const np_parked *parked = &nest->active.parked[i];
        if (parked->control != control + 1) continue;
        np_interval_narrow(interval, parked->value - NP_AWAY, parked->value + NP_AWAY);
        return true;
    }
    return false;
}

/* --- mice ----------------------------------------------------------------------------------- */

/* Whether a mouse has come far enough, without a pause, to be meant; trembling comes nowhere. */
static bool is_meant(np_way *way, unsigned component, int32_t value)
{
    int32_t *counts = &way->counts[component & 1u];

    if (*counts > -1000000 && *counts < 1000000 && value > -1000000 && value < 1000000)
        *counts += value;
    if (*counts > -NUDGE && *counts < NUDGE) return false;
    way->counts[0] = way->counts[1] = 0;
    return true;
}

void np_active_slide(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    np_run run = nest->controls.of_signal[signal];
    const np_wire *wire = &nest->controls.wires[run.first];
    const np_control *control = &nest->controls.list[run.count ? wire->control : 0];
    np_way *way = &nest->active.ways[control->device];

    if (run.count == 0) return;
    if (!np_devices_slides(&nest->devices, control->device, time)) {
        way->counts[0] = way->counts[1] = 0;
        np_active_stop(nest, control->device);
    }
    if (control->flags & NP_CONTROL_SPENT) return;
    if (np_notches_has(control->id) || is_meant(way, wire->component, value))
        use_for_all(nest, control, false, time);
}

/* --- what the game wants ---------------------------------------------------------------------- */

static void take_wishes(np_active *active, const nplug_command *command, const char *family)
{
    size_t length = strlen(family);

    if (length >= sizeof active->family) length = 0;
    memcpy(active->family, family, length);
    active->family[length] = 0;
    active->pin = command->device;
    active->ignored = command->number;
    active->dwell = command->strong;
    active->only = command->on != 0;
}

void np_active_follow(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t player = command->player, pin = np_devices_here(&nest->devices, command->device);
    np_active *active = &nest->active.of[player], before = *active;
    bool other = pin != NP_NONE && !is_active(nest, player, pin);

    take_wishes(active, command, np_rebind_take_text(nest));
    if (other) become(nest, player, pin, time);
    if (other || !is_same_shown(shown_of(nest, &before), shown_of(nest, active)))
        say(nest, player, &before, time);
    quieten(nest, player, time);
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
