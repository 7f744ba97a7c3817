/* The active set: what each player used last.
 *
 * Owns np_actives.  Comes in: presses, movements, looks ten times a second, wishes.  Goes out:
 * events; who is suppressed, as news; commands to switch. */
#include "core/player/player.h"
#include <math.h>
#include <string.h>

#define NUDGE 40      /* counts that a mouse has to move */
#define LOOK  100000u /* microseconds between two looks at what is moved */
#define STILL                                                                                      \
    0.1f /* what the axes of a set may change between two looks and stand all the same             \
          */

/* --- sets ----------------------------------------------------------------------------------- */

/* Which sort of set a device belongs to; 0: it is one for itself. */
static uint8_t set_of(const np_player_room *room, uint32_t device)
{
    static const uint8_t sets[NP_KINDS] = {
        [NPLUG_KIND_KEYBOARD] = 1, [NPLUG_KIND_MOUSE] = 1,     [NPLUG_KIND_STICK] = 2,
        [NPLUG_KIND_WHEEL] = 3,    [NPLUG_KIND_HAND_LEFT] = 4, [NPLUG_KIND_HAND_RIGHT] = 4,
        [NPLUG_KIND_HEADSET] = 4};

    return sets[room->recogniser->of[device].kind];
}

bool np_active_same_set(const np_player_room *room, uint32_t a, uint32_t b)
{
    return a == b || (set_of(room, a) && set_of(room, a) == set_of(room, b));
}

/* Whether a device is of a player's active set. */
static bool is_active(const np_player_room *room, uint32_t player, uint32_t device)
{
    nplug_device active = room->active.of[player].device;
    uint32_t place;

    if (active == np_devices_handle(room->devices, device)) return true;
    if (!set_of(room, device)) return false;
    place = np_devices_index(room->devices, active);
    return place != NP_NONE && np_active_same_set(room, place, device);
}

static bool hears(const np_player_room *room, uint32_t player, uint32_t device)
{
    uint32_t hearers = np_players_of(&room->players, device);

    if (hearers == 0) hearers = !room->players.parts[device].ignored;
    return (hearers >> player) & 1u;
}

/* --- what a player is shown ----------------------------------------------------------------- */

/* What is printed on a sort of set, or on all where the game says which family that is. */
typedef struct np_shown {
    const char *family;
    uint32_t sort;
} np_shown;
#define ALL_SORTS UINT32_MAX

const char *np_active_family(const np_player_room *room, uint32_t device)
{
    const nplug_sheet *prints = room->recogniser->of[device].prints;
    return prints && prints->family ? prints->family : "";
}

static np_shown shown_of(const np_player_room *room, const np_active *active)
{
    uint32_t device = np_devices_index(room->devices, active->device);
    np_shown shown = {active->family, ALL_SORTS};

    if (active->family[0]) return shown;
    shown.sort = 0;
    if (device == NP_NONE) return shown;
    shown.family = np_active_family(room, device);
    shown.sort = set_of(room, device) ? NP_KINDS + (uint32_t)set_of(room, device)
                                      : (uint32_t)room->recogniser->of[device].kind;
    return shown;
}

static bool is_same_shown(np_shown a, np_shown b)
{
    bool same_sort =
        a.sort == b.sort || ((a.sort == ALL_SORTS || b.sort == ALL_SORTS) && a.family[0]);

    return same_sort && (a.family == b.family || strcmp(a.family, b.family) == 0);
}

/* What a player uses has changed, or what that player is shown of it. */
static void tell(np_player_room *room, uint32_t player, const np_active *before, nplug_time time)
{
    const np_active *active = &room->active.of[player];
    nplug_event *event = np_out_event(room->out, time, NPLUG_EVENT_ACTIVE, active->device, player);

    if (is_same_shown(shown_of(room, before), shown_of(room, active)))
        event->flags = NPLUG_EVENT_FLAG_SAME_PROMPTS;
}

/* Where only the active set drives a player, all others are quiet. */
static void suppress(np_player_room *room, uint32_t player)
{
    np_news news = {0};

    news.kind = NP_NEWS_SUPPRESSED;
    news.player = (uint8_t)player;
    for (uint32_t i = 0; player && i < room->devices->count; i++) {
        news.device = room->devices->order[i];
        news.on = room->active.of[player].only && !is_active(room, player, news.device);
        if (np_players_is_news(room, &news)) np_player_add(room, &news);
    }
}

/* --- what is moved now ------------------------------------------------------------------------ */

/* The next device of a player's active set from a place on; their count at the end.  Most sets are
 * one device. */
static uint32_t next_of_set(const np_player_room *room, uint32_t player, uint32_t place)
{
    while (place < room->devices->count && !is_active(room, player, room->devices->order[place]))
        place++;
    return place;
}

/* How far the axes of a player's active set are from their rest, all together. */
static float measure_set(const np_player_room *room, uint32_t player)
{
    uint32_t first = np_devices_here(room->devices, room->active.of[player].device);
    float sum = 0.0f;

    if (first == NP_NONE) return sum;
    if (!set_of(room, first))
        return hears(room, player, first)
                   ? np_controls_distance(room->controls, room->devices, first)
                   : sum;
    for (uint32_t i = next_of_set(room, player, 0); i < room->devices->count;
         i = next_of_set(room, player, i + 1))
        if (hears(room, player, room->devices->order[i]))
            sum += np_controls_distance(room->controls, room->devices, room->devices->order[i]);
    return sum;
}

static nplug_time dwell_of(const np_active *active)
{
    return (nplug_time)active->dwell * 1000;
}

static bool stands_elsewhere(const np_player_room *room, uint32_t player)
{
    const np_active *active = &room->active.of[player];

    return active->looked && fabsf(measure_set(room, player) - active->stance) >= STILL;
}

/* Whether the active set is being moved. */
static bool is_in_use(const np_player_room *room, uint32_t player, nplug_time time)
{
    const np_active *active = &room->active.of[player];

    if (np_devices_here(room->devices, active->device) == NP_NONE) return false;
    return time - active->used < dwell_of(active) || active->moved ||
           stands_elsewhere(room, player);
}

/* Time ends before its next look at the very last. */
static void look_next(np_player_room *room, nplug_time time)
{
    nplug_time due = (time / LOOK + 1) * LOOK;

    if (room->active.looking || due < time) return;
    room->active.looking = np_timers_set(&room->out->timers, due, NP_TIMER_LOOK, 0, 0);
}

static bool look_at(np_player_room *room, uint32_t player)
{
    np_active *active = &room->active.of[player];
    float stance;

    if (np_devices_here(room->devices, active->device) == NP_NONE) return false;
    stance = measure_set(room, player);
    active->moved = active->looked && fabsf(stance - active->stance) >= STILL;
    active->stance = stance;
    active->looked = true;
    return true;
}

static bool any_is_pulled(const np_player_room *room, uint32_t device)
{
    np_run run = room->controls->of_device[device];
    bool pulled = false;

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        pulled |= (room->controls->list[i].flags & NP_CONTROL_PULLED) != 0;
    return pulled;
}

/* Whether a movement goes on. */
static bool goes_on(const np_player_room *room, uint32_t device, nplug_time time)
{
    return np_controls_any_away(room->controls, room->devices, device) ||
           np_devices_in_motion(room->devices, device, time) || any_is_pulled(room, device);
}

/* Whether somebody hears a device and uses another one. */
static bool may_be_changed_to(const np_player_room *room, uint32_t device)
{
    uint32_t hearers = np_players_of(&room->players, device);
    bool may = false;

    for (hearers = hearers ? hearers : 1u; hearers && !may; hearers = np_bits_rest(hearers))
        may = !is_active(room, np_bits_lowest(hearers), device);
    return may;
}

bool np_active_may_begin(const np_player_room *room, uint32_t device)
{
    return room->controls->unready[device] && may_be_changed_to(room, device);
}

void np_active_look_at(np_player_room *room, uint32_t device, nplug_time time)
{
    if (room->active.contests && !goes_on(room, device, time)) np_active_stop(room, device);
}

bool np_active_look(np_player_room *room)
{
    bool any = false;

    for (uint32_t p = 0; p <= room->players.limit; p++)
        any |= look_at(room, p);
    return any;
}

/* In a silence nothing is moved: the last look of it says as much as all. */
void np_active_looked(np_player_room *room, bool any, nplug_time time, nplug_time silence)
{
    room->active.looking = false;
    if (silence >= time + 2 * LOOK) time = (silence / LOOK - 1) * LOOK;
    if (any) look_next(room, time);
}

/* --- switching ------------------------------------------------------------------------------ */

/* Levers are parked where they say next that they are. */
static void unpark(np_player_room *room, uint32_t player, uint32_t device)
{
    np_run all = room->controls->of_device[device];
    np_news news = {0};

    (void)player;
    news.kind = NP_NEWS_PARKED;
    news.device = (uint16_t)device;
    for (uint32_t i = 0; i < NP_PARKED; i++) {
        np_parked *parked = &room->active.parked[i];
        if (parked->control == 0 || parked->control - 1 - all.first >= all.count) continue;
        news.control = (uint16_t)(parked->control - 1);
        np_player_add(room, &news);
        parked->control = 0;
    }
}

/* What is done with each device of a player's active set. */
typedef void on_device(np_player_room *room, uint32_t player, uint32_t device);

static void for_set(np_player_room *room, uint32_t player, on_device *each)
{
    uint32_t first = np_devices_here(room->devices, room->active.of[player].device);

    if (first == NP_NONE) return;
    if (!set_of(room, first)) {
        each(room, player, first);
        return;
    }
    for (uint32_t i = next_of_set(room, player, 0); i < room->devices->count;
         i = next_of_set(room, player, i + 1))
        each(room, player, room->devices->order[i]);
}

static void end_contest(np_player_room *room, uint32_t player, uint32_t device)
{
    if (room->active.contests == 0) return;
    room->active.contests -= np_timers_cancel(&room->out->timers, NP_TIMER_CONTEST, player, device);
}

static void settle_in(np_player_room *room, uint32_t player, uint32_t device)
{
    np_news news = {0};

    news.kind = NP_NEWS_SETTLED;
    news.device = (uint16_t)device;
    np_player_add(room, &news);
    end_contest(room, player, device);
}

/* The levers of the set that was the active one stand where they stand; of the one that is, no axis
 * begins a movement. */
static void become(np_player_room *room, uint32_t player, uint32_t device, nplug_time time)
{
    np_active *active = &room->active.of[player];

    if (room->active.next_parked) for_set(room, player, unpark);
    active->device = np_devices_handle(room->devices, device);
    active->since = active->used = time;
    active->looked = active->moved = false;
    for_set(room, player, settle_in);
    look_next(room, time);
}

static void switch_to(np_player_room *room, uint32_t player, uint32_t device, nplug_time time)
{
    np_active before = room->active.of[player];

    become(room, player, device, time);
    tell(room, player, &before, time);
    if (before.only) suppress(room, player);
}

/* Whether what a player used last is here, and the player's. */
static bool is_kept(const np_player_room *room, uint32_t player)
{
    uint32_t device = np_devices_here(room->devices, room->active.of[player].device);
    return device != NP_NONE && hears(room, player, device);
}

/* What was not recognised has nothing that could be used; what is gone for a moment has again. */
static bool is_usable(const np_player_room *room, uint32_t device)
{
    return room->controls->of_device[device].count > 0 ||
           room->devices->list[device].first_node == NP_NONE;
}

void np_active_end(np_player_room *room, uint32_t player, nplug_time time)
{
    for (uint32_t i = 0; i < room->devices->count && !is_kept(room, player); i++)
        if (hears(room, player, room->devices->order[i]) &&
            is_usable(room, room->devices->order[i]))
            switch_to(room, player, room->devices->order[i], time);
}

void np_active_begin(np_player_room *room, uint32_t player, uint32_t device, nplug_time time)
{
    if (!is_kept(room, player) && is_usable(room, device))
        switch_to(room, player, device, time);
    else if (room->active.of[player].only)
        suppress(room, player);
}

static void ask_to_switch(np_player_room *room, uint32_t player, uint32_t device, nplug_time time)
{
    nplug_command command = {0};

    command.kind = NPLUG_COMMAND_ACTIVE;
    command.player = player;
    command.device = np_devices_handle(room->devices, device);
    np_out_command(room->out, &command, time);
}

void np_active_take(np_player_room *room, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_here(room->devices, command->device);

    if (device == NP_NONE || !hears(room, command->player, device)) return;
    if (!is_active(room, command->player, device)) switch_to(room, command->player, device, time);
}

/* --- use ------------------------------------------------------------------------------------ */

/* A movement that has to go on. */
static void contest(np_player_room *room, uint32_t player, uint32_t device, nplug_time time)
{
    nplug_time due = time + dwell_of(&room->active.of[player]);

    if (np_timers_waits(&room->out->timers, NP_TIMER_CONTEST, player, device)) return;
    room->active.contests += np_out_timer(room->out, due, NP_TIMER_CONTEST, player, device, time);
}

static bool may_switch(const np_player_room *room, uint32_t player, uint32_t device)
{
    const np_active *active = &room->active.of[player];

    if (active->ignored && (active->ignored >> room->recogniser->of[device].kind) & 1u)
        return false;
    return !active->pin || np_devices_here(room->devices, active->pin) == NP_NONE;
}

/* A player has used a device: by a press, or by moving something. */
static void use(np_player_room *room, uint32_t player, uint32_t device, bool press, nplug_time time)
{
    np_active *active = &room->active.of[player];

    if (!may_switch(room, player, device)) return;
    if (is_active(room, player, device)) {
        active->used = time;
        active->device = np_devices_handle(room->devices, device);
    } else if (press || !is_in_use(room, player, time)) {
        ask_to_switch(room, player, device, time);
    } else {
        contest(room, player, device, time);
    }
}

/* Who hears a control, and who would if only it were of the active set. */
static uint32_t hearers_of(const np_player_room *room, const np_control *control)
{
    uint32_t claiming = np_players_claiming(&room->players, control);
    return claiming ? claiming : np_players_hearing(&room->players, control);
}

static void use_for_all(np_player_room *room, const np_control *control, bool press,
                        nplug_time time)
{
    uint32_t hearers = hearers_of(room, control);

    for (; hearers; hearers = np_bits_rest(hearers))
        use(room, np_bits_lowest(hearers), control->device, press, time);
}

void np_active_stop(np_player_room *room, uint32_t device)
{
    for (uint32_t p = 0; p <= room->players.limit; p++)
        end_contest(room, p, device);
}

void np_active_decide(np_player_room *room, uint32_t player, uint32_t device, nplug_time time)
{
    room->active.contests--;
    if (room->devices->list[device].presence != NP_HERE || !hears(room, player, device)) return;
    if (is_active(room, player, device) || !may_switch(room, player, device)) return;
    if (goes_on(room, device, time)) switch_to(room, player, device, time);
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

static bool hear_lever(np_player_room *room, const np_change *change)
{
    const np_control *control = &room->controls->list[change->control];

    if (control->flags & (NP_CONTROL_SPENT | NP_CONTROL_ASIDE)) return false;
    if (!is_pulled(&room->active, change->control, control->value[0])) return false;
    use_for_all(room, control, false, change->time);
    return true;
}

bool np_active_hear(np_player_room *room, const np_change *change, np_edge edge, bool left)
{
    const np_control *control = &room->controls->list[change->control];

    if (control->flags & NP_CONTROL_LEVER) return hear_lever(room, change);
    if (!(control->flags & (NP_CONTROL_SPENT | NP_CONTROL_ASIDE)) &&
        (edge == NP_EDGE_PRESS || left))
        use_for_all(room, control, edge == NP_EDGE_PRESS, change->time);
    return false;
}

bool np_active_guard(const np_player_room *room, uint32_t control, np_interval *interval)
{
    const np_control *about = &room->controls->list[control];

    if (!(about->flags & NP_CONTROL_LEVER)) {
        np_controls_guard_leave(about, interval);
        return true;
    }
    for (uint32_t i = 0; i < NP_PARKED; i++) {
        const np_parked *parked = &room->active.parked[i];
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

/* After a pause a movement begins anew. */
static np_way *way_of(np_player_room *room, const np_control *control, nplug_time time)
{
    np_way *way = &room->active.ways[control->device];

    if (np_devices_in_motion(room->devices, control->device, time)) return way;
    way->counts[0] = way->counts[1] = 0;
    np_active_stop(room, control->device);
    return way;
}

void np_active_hear_delta(np_player_room *room, uint32_t signal, int32_t value, nplug_time time)
{
    np_run run = room->controls->of_signal[signal];
    const np_wire *wire = &room->controls->wires[run.first];
    const np_control *control = &room->controls->list[run.count ? wire->control : 0];
    np_way *way;

    if (run.count == 0) return;
    way = way_of(room, control, time);
    if (control->flags & NP_CONTROL_SPENT) return;
    if (np_notches_has(control->id) || is_meant(way, wire->component, value))
        use_for_all(room, control, false, time);
}

void np_active_hear_pair(np_player_room *room, uint32_t signal, const int32_t by[2],
                         nplug_time time)
{
    np_run run = room->controls->of_signal[signal];
    const np_control *control =
        &room->controls->list[run.count ? room->controls->wires[run.first].control : 0];
    bool meant = false;
    np_way *way;

    if (run.count == 0) return;
    way = way_of(room, control, time);
    if (control->flags & NP_CONTROL_SPENT) return;
    for (unsigned i = 0; i < 2; i++)
        if (by[i]) meant |= is_meant(way, i, by[i]);
    if (meant) use_for_all(room, control, false, time);
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

void np_active_follow(np_player_room *room, const nplug_command *command, const char *family,
                      nplug_time time)
{
    uint32_t player = command->player, pin = np_devices_here(room->devices, command->device);
    np_active *active = &room->active.of[player], before = *active;
    bool other = pin != NP_NONE && !is_active(room, player, pin);

    take_wishes(active, command, family);
    if (other) become(room, player, pin, time);
    if (other || !is_same_shown(shown_of(room, &before), shown_of(room, active)))
        tell(room, player, &before, time);
    suppress(room, player);
}
