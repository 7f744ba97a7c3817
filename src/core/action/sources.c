/* Sources: which are down for whom, as controls pass their thresholds.
 *
 * Owns np_sources.down, and which links are down.  Comes in: changes of controls; who hears a part
 * no more, and who does.  Goes out: gestures that turn; actions to be found again. */
#include "core/action/inside.h"

/* Whoever is to join presses for itself: what another device holds does not stand in its way. */
static bool begins_anew(const np_action_room *room, uint32_t player, uint16_t down)
{
    return player == 0 && down && room->players->join != NP_NO_INDEX;
}

static void move_for(np_action_room *room, uint32_t player, uint32_t source,
                     const np_change *change, bool pressed)
{
    uint16_t *down = &room->sources.down[(size_t)player * room->sources.source_limit + source];
    uint16_t others = *down;

    if (!pressed) {
        if (*down && --*down == 0) np_gestures_turn(room, player, source, change, false);
        return;
    }
    if (begins_anew(room, player, others)) {
        np_change ended = *change;
        ended.cancelled = true;
        *down = 0;
        np_gestures_turn(room, player, source, &ended, false);
    }
    if (*down == 0) {
        *down = 1;
        np_gestures_turn(room, player, source, change, true);
    }
    *down = (uint16_t)(others + 1);
}

static void move_all(np_action_room *room, np_link *link, const np_change *change)
{
    uint32_t hearers = np_players_hearing(room->players, &room->controls->list[link->control]);

    hearers &= ~((uint32_t)link->missed << 1);
    link->missed = 0;
    for (; hearers; hearers = np_bits_rest(hearers))
        move_for(room, np_bits_lowest(hearers), link->source, change, link->down != 0);
}

void np_sources_hear(np_action_room *room, const np_change *change)
{
    uint16_t at = room->sources.of_control[change->control];
    const np_control *control = &room->controls->list[change->control];
    bool watched = false;

    for (; at != NP_NO_INDEX; at = room->sources.links[at].of_control) {
        np_link *link = &room->sources.links[at];
        const np_source *source = &room->game->sources[link->source];
        watched |= source->watched != 0;
        if (!np_links_has_press(control, source)) continue;
        if (!np_links_passes(link, source, control)) continue;
        link->down = !link->down;
        move_all(room, link, change);
    }
    if (watched) np_marks_control(room, change->control, false);
}

void np_sources_strike(np_action_room *room, const np_change *change, uint16_t way)
{
    for (uint16_t at = room->sources.of_control[change->control]; at != NP_NO_INDEX;
         at = room->sources.links[at].of_control) {
        np_link *link = &room->sources.links[at];
        if (room->game->sources[link->source].way != way) continue;
        link->down = 1;
        move_all(room, link, change);
        link->down = 0;
        move_all(room, link, change);
    }
}

static void release_control(np_action_room *room, uint32_t control, np_change *change)
{
    uint16_t at = room->sources.of_control[control];
    uint32_t hearers = np_players_hearing(room->players, &room->controls->list[control]);

    change->control = control;
    change->id = room->controls->list[control].id;
    for (; at != NP_NO_INDEX; at = room->sources.links[at].of_control) {
        if (room->sources.links[at].down) {
            room->sources.links[at].down = 0;
            move_all(room, &room->sources.links[at], change);
        }
        for (uint32_t set = hearers; set; set = np_bits_rest(set))
            np_gestures_release_stuck(room, np_bits_lowest(set), room->sources.links[at].source,
                                      change);
    }
}

void np_sources_release(np_action_room *room, uint32_t device, uint32_t part, nplug_time time)
{
    np_run run = room->controls->of_device[device];
    np_change change = {time, NP_NONE, np_devices_handle(room->devices, device), 0, true};

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        if (part == NP_ALL_PARTS || room->controls->list[i].part == part)
            release_control(room, i, &change);
}

/* A link that is down, or that only a toggled press holds. */
static void hand_over_link(np_action_room *room, np_link *link, uint32_t leaving, uint32_t coming,
                           const np_change *change)
{
    for (uint32_t set = leaving; set; set = np_bits_rest(set)) {
        uint32_t player = np_bits_lowest(set);
        if (link->down && !(((uint32_t)link->missed << 1 >> player) & 1u))
            move_for(room, player, link->source, change, false);
        np_gestures_release_stuck(room, player, link->source, change);
    }
    link->missed &= (uint16_t) ~(leaving >> 1);
    if (link->down) link->missed |= (uint16_t)(coming >> 1);
}

void np_sources_hand_over(np_action_room *room, uint32_t device, uint32_t part, uint32_t leaving,
                          uint32_t coming, nplug_time time)
{
    np_run run = room->controls->of_device[device];
    np_change change = {time, NP_NONE, np_devices_handle(room->devices, device), 0, true};

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        uint16_t at = room->sources.of_control[i];
        if (room->controls->list[i].part != part) continue;
        change.control = i;
        change.id = room->controls->list[i].id;
        for (; at != NP_NO_INDEX; at = room->sources.links[at].of_control)
            hand_over_link(room, &room->sources.links[at], leaving, coming, &change);
    }
}

/* --- what is printed on keys
 * ---------------------------------------------------------------------- */

static bool is_label(nplug_control control)
{
    return NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_KEY_LABEL;
}

/* Whether a link of a device is to go. */
typedef bool (*np_is_over)(const np_action_room *room, uint32_t device, uint32_t source);

/* Links of a device go that are over, and what was driven so lets go. */
static void drop_links(np_action_room *room, uint32_t device, np_is_over is_over, nplug_time time)
{
    np_run run = room->controls->of_device[device];
    np_change change = {time, NP_NONE, np_devices_handle(room->devices, device), 0, true};

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        uint32_t at = room->sources.of_control[i];
        while (at != NP_NO_INDEX) {
            np_link *link = &room->sources.links[at];
            uint32_t next = link->of_control;
            if (is_over(room, device, link->source)) {
                if (link->down) {
                    link->down = 0;
                    move_all(room, link, &change);
                }
                np_links_drop(&room->sources, at);
            }
            at = next;
        }
    }
}

static bool is_of_label(const np_action_room *room, uint32_t device, uint32_t source)
{
    (void)device;
    return is_label(room->game->sources[source].control);
}

bool np_labels_are_named(const np_action_room *room)
{
    const np_game *game = room->game;
    bool any = false;

    for (uint32_t i = 0; !any && i < game->source_count; i++)
        any = is_label(game->sources[i].control);
    return any;
}

bool np_labels_miss(const np_action_room *room)
{
    for (uint32_t i = 0; i < room->game->source_count; i++)
        if (is_label(room->game->sources[i].control) && room->sources.of_source[i] == NP_NO_INDEX)
            return true;
    return false;
}

/* --- taking --------------------------------------------------------------------------------- */

/* The key that a report is about drives whatever names its letter, too. */
static void link_label(np_action_room *room, uint32_t device, const nplug_report *report,
                       nplug_time time)
{
    nplug_control label = NPLUG_CONTROL(NPLUG_CLASS_KEY_LABEL, report->data.value & 1023);
    uint32_t source = np_game_source(room->game, label), control;

    control = np_controls_find(room->controls, device,
                               NPLUG_CONTROL(NPLUG_CLASS_KEY, report->signal & 1023u));
    for (; control != NP_NONE && source != NP_NO_INDEX;
         source = np_game_same_control(room->game, source))
        if (!np_links_add_control(room, source, control))
            np_out_limit(room->out, NPLUG_LIMIT_LINKS, time);
}

void np_labels_take(np_action_room *room, uint32_t device, const nplug_report *report,
                    nplug_time time)
{
    if (report->signal == 0)
        drop_links(room, device, is_of_label, time);
    else
        link_label(room, device, report, time);
}

/* --- which hand is the dominant one ------------------------------------------------------------
 */

static bool is_by_hand(const np_action_room *room, uint32_t source)
{
    return room->game->filters[room->game->sources[source].filter].main != 0;
}

static bool is_of_other_hand(const np_action_room *room, uint32_t device, uint32_t source)
{
    return is_by_hand(room, source) && !np_links_suits(room, device, source);
}

static bool is_linked(const np_action_room *room, uint32_t control, uint32_t source)
{
    uint16_t at = room->sources.of_control[control];

    while (at != NP_NO_INDEX && room->sources.links[at].source != source)
        at = room->sources.links[at].of_control;
    return at != NP_NO_INDEX;
}

static void link_hand(np_action_room *room, uint32_t device, uint32_t source, nplug_time time)
{
    uint32_t control =
        np_controls_find(room->controls, device, room->game->sources[source].control);

    if (control == NP_NONE || is_linked(room, control, source)) return;
    if (!np_links_add_control(room, source, control))
        np_out_limit(room->out, NPLUG_LIMIT_LINKS, time);
}

void np_hands_take(np_action_room *room, nplug_time time)
{
    for (uint32_t i = 0; i < room->devices->count; i++) {
        uint32_t device = room->devices->order[i];
        drop_links(room, device, is_of_other_hand, time);
        for (uint32_t s = 0; s < room->game->source_count; s++)
            if (room->game->sources[s].control && is_by_hand(room, s))
                link_hand(room, device, s, time);
    }
}
