/* Links: where a device's control meets a source of the game.
 *
 * Owns np_sources.links and the lists through them.  Comes in: devices and sources that come and
 * go; who hears a control.  Goes out: what a source reads; between which values nothing happens. */
#include "core/action/inside.h"
#include <string.h>

/* --- links ---------------------------------------------------------------------------------- */

/* Who hears a link's control, in a byte. */
static uint8_t heard_by(const np_action_room *room, const np_link *link)
{
    uint32_t claiming = np_players_claiming(room->players, &room->controls->list[link->control]);

    if (claiming == 0) return NP_HEARD_BY_NOBODY;
    return (uint8_t)(np_bits_rest(claiming) ? NP_HEARD_BY_SEVERAL : np_bits_lowest(claiming));
}

/* A source's links stand by who hears them, those of nobody last: so no player looks far. */
static void put_in(np_action_room *room, uint16_t at)
{
    np_link *links = room->sources.links;
    uint16_t *from = &room->sources.of_source[links[at].source];

    links[at].heard = heard_by(room, &links[at]);
    while (*from != NP_NO_INDEX && links[*from].heard < links[at].heard)
        from = &links[*from].next;
    links[at].next = *from;
    *from = at;
}

static void take_out(np_sources *sources, uint16_t at)
{
    uint16_t *from = &sources->of_source[sources->links[at].source];

    while (*from != at)
        from = &sources->links[*from].next;
    *from = sources->links[at].next;
}

static bool link_control(np_action_room *room, uint32_t source, uint32_t control)
{
    np_sources *sources = &room->sources;
    int32_t at = np_span_take(&sources->span, 1);
    np_link *link;

    if (at < 0) return false;
    link = &sources->links[at];
    link->source = (uint16_t)source;
    link->control = (uint16_t)control;
    link->down = 0;
    link->missed = 0;
    link->of_control = sources->of_control[control];
    sources->of_control[control] = (uint16_t)at;
    put_in(room, (uint16_t)at);
    return true;
}

void np_links_sort(np_action_room *room, uint32_t device)
{
    np_run run = room->controls->of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        uint16_t at = room->sources.of_control[i];
        for (; at != NP_NO_INDEX; at = room->sources.links[at].of_control) {
            if (room->sources.links[at].heard == heard_by(room, &room->sources.links[at])) continue;
            take_out(&room->sources, at);
            put_in(room, at);
        }
    }
}

/* Whether a hand is the only one, or the dominant one is that which a source wants. */
static bool suits_hand(const np_action_room *room, uint32_t device, uint8_t main)
{
    nplug_device_kind kind = room->recogniser->of[device].kind;
    bool alone = true;

    for (uint32_t i = 0; i < room->devices->count; i++) {
        uint32_t other = room->devices->order[i];
        nplug_device_kind is = room->recogniser->of[other].kind;
        if (room->controls->of_device[other].count == 0 || is == kind) continue;
        alone &= !np_kind_is_hand(is);
    }
    return alone || room->players->main == main;
}

bool np_links_suits(const np_action_room *room, uint32_t device, uint32_t source)
{
    const np_filter *filter = &room->game->filters[room->game->sources[source].filter];
    const np_recognition *of = &room->recogniser->of[device];

    if (filter->kind && filter->kind != of->kind) return false;
    if (filter->family[0] && strcmp(filter->family, of->prints ? of->prints->family : "") != 0)
        return false;
    if (filter->main && !suits_hand(room, device, filter->main)) return false;
    if (filter->confirm && filter->confirm != np_recognition_confirm(of)) return false;
    return !filter->sheet[0] || strcmp(filter->sheet, of->sheet ? of->sheet->name : "") == 0;
}

bool np_links_add_device(np_action_room *room, uint32_t device)
{
    np_run run = room->controls->of_device[device];
    bool all = true;

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        uint32_t source = np_game_source(room->game, room->controls->list[i].id);
        room->sources.of_control[i] = NP_NO_INDEX;
        for (; source != NP_NO_INDEX; source = np_game_same_control(room->game, source))
            if (np_links_suits(room, device, source)) all &= link_control(room, source, i);
    }
    return all;
}

static void unlink_one(np_sources *sources, uint16_t at)
{
    take_out(sources, at);
    np_span_give(&sources->span, at, 1);
}

static void unlink_control(np_sources *sources, uint32_t control)
{
    uint16_t at = sources->of_control[control];

    for (; at != NP_NO_INDEX; at = sources->links[at].of_control)
        unlink_one(sources, at);
    sources->of_control[control] = NP_NO_INDEX;
}

void np_links_drop_device(np_action_room *room, uint32_t device)
{
    np_run run = room->controls->of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        unlink_control(&room->sources, i);
}

/* --- what a link reads
 * ---------------------------------------------------------------------------- */

nplug_device np_links_device(const np_action_room *room, uint32_t player, uint32_t source)
{
    const np_link *links = room->sources.links;

    for (uint32_t at = room->sources.of_source[source]; at != NP_NO_INDEX; at = links[at].next) {
        const np_control *control = &room->controls->list[links[at].control];
        if (links[at].down && (np_players_hearing(room->players, control) & (1u << player)))
            return np_devices_handle(room->devices, control->device);
    }
    return 0;
}

/* --- one source comes or goes while devices are here ----------------------------------------- */

/* What is down already is down for all who hear it, silently. */
static void settle_link(np_action_room *room, uint32_t source, uint32_t control)
{
    np_sources *sources = &room->sources;
    np_link *link = &sources->links[sources->of_control[control]];
    const np_control *about = &room->controls->list[control];
    uint32_t hearers = np_players_hearing(room->players, about);

    if (!np_links_has_press(about, &room->game->sources[source])) return;
    link->down = np_links_passes(link, &room->game->sources[source], about);
    for (; link->down && hearers; hearers = np_bits_rest(hearers))
        sources->down[(size_t)np_bits_lowest(hearers) * sources->source_limit + source]++;
}

bool np_links_add_control(np_action_room *room, uint32_t source, uint32_t control)
{
    if (!np_links_suits(room, room->controls->list[control].device, source)) return true;
    if (!link_control(room, source, control)) return false;
    settle_link(room, source, control);
    return true;
}

static bool link_device(np_action_room *room, uint32_t source, uint32_t device)
{
    uint32_t control =
        np_controls_find(room->controls, device, room->game->sources[source].control);
    bool all = true;

    for (; control != NP_NONE; control = np_controls_next(room->controls, control))
        all &= np_links_add_control(room, source, control);
    return all;
}

bool np_links_add_source(np_action_room *room, uint32_t source)
{
    bool all = true;

    if (room->sources.of_source[source] != NP_NO_INDEX) return true;
    for (uint32_t i = 0; i < room->devices->count; i++)
        all &= link_device(room, source, room->devices->order[i]);
    return all;
}

/* Takes a link out of its control's list and its source's. */
void np_links_drop(np_sources *sources, uint32_t at)
{
    uint16_t *from = &sources->of_control[sources->links[at].control];

    while (*from != at)
        from = &sources->links[*from].of_control;
    *from = sources->links[at].of_control;
    unlink_one(sources, (uint16_t)at);
}

void np_links_drop_source(np_action_room *room, uint32_t source)
{
    np_sources *sources = &room->sources;

    while (sources->of_source[source] != NP_NO_INDEX)
        np_links_drop(sources, sources->of_source[source]);
    for (uint32_t p = 0; p <= room->limits->players; p++)
        sources->down[(size_t)p * sources->source_limit + source] = 0;
}

/* --- values --------------------------------------------------------------------------------- */

static float length_squared(nplug_vec2 v)
{
    return v.x * v.x + v.y * v.y;
}

/* A motion hears of each movement by itself. */
static nplug_vec2 as_speed(const np_taste *taste, nplug_vec2 value)
{
    float per = taste->span ? 1000000.0f / (NP_SPEED * (float)taste->span) : 0.0f;

    if (taste->shaping) value = np_shaped_delta(taste->shaping, value);
    value.x *= per;
    value.y *= per;
    return value;
}

nplug_vec2 np_links_read(const np_source *source, nplug_vec2 value)
{
    if (source->way == NPLUG_WAY_WHOLE) return value;
    value.x = np_links_one(source, value);
    value.y = 0.0f;
    if (source->way >= NPLUG_WAY_RIGHT && value.x < 0.0f) value.x = 0.0f;
    return value;
}

/* What a source gives of one control. */
static nplug_vec2 value_of(const np_game *game, const np_control *control, const np_source *source,
                           const np_taste *taste)
{
    nplug_vec2 value = np_links_read(source, np_controls_heard(control));
    unsigned components = source->way == NPLUG_WAY_WHOLE ? control->components : 1;
    bool square = (control->flags & NP_CONTROL_SQUARE) != 0;

    if (control->nature == NPLUG_NATURE_DELTA) return as_speed(taste, value);
    if (taste->moves) return np_shaped_speed(taste->shaping, value, components, square);
    if (!taste->shaping) return value;
    return np_game_shape(game, taste->shaping,
                         np_shaped(taste->shaping, value, components, square));
}

nplug_vec2 np_links_value(const np_action_room *room, uint32_t player, uint32_t source,
                          const np_taste *taste)
{
    const np_source *about = &room->game->sources[source];
    const np_link *links = room->sources.links;
    const np_control *controls = room->controls->list;
    uint32_t heard = player ? player : NP_HEARD_BY_NOBODY;
    nplug_vec2 best = {0.0f, 0.0f};

    for (uint32_t at = room->sources.of_source[source]; at != NP_NO_INDEX; at = links[at].next) {
        const np_link *link = &links[at];
        const np_control *control = &controls[link->control];
        nplug_vec2 value;
        if (link->heard > heard) break;
        if (link->heard != heard && link->heard != NP_HEARD_BY_SEVERAL) continue;
        if (!(np_players_hearing(room->players, control) & (1u << player))) continue;
        value = value_of(room->game, control, about, taste);
        if (control->nature == NPLUG_NATURE_DELTA) {
            best.x += value.x;
            best.y += value.y;
        } else if (length_squared(value) > length_squared(best)) {
            best = value;
        }
    }
    return best;
}

/* As raw thresholds meet a number that counts downwards: a little less far than they are, since an
 * interval's ends belong to it or not as it happens. */
static void narrow_below(np_interval *interval, const np_source *source, bool down)
{
    if (down) {
        if (interval->below > 0.0f - source->release) interval->below = 0.0f - source->release;
    } else if (interval->at_least < source->press * -0.999999f) {
        interval->at_least = source->press * -0.999999f;
    }
}

static void narrow_above(np_interval *interval, const np_source *source, bool down)
{
    if (down) {
        if (interval->at_least < source->release) interval->at_least = source->release;
    } else if (interval->below > source->press) {
        interval->below = source->press;
    }
}

/* What is pressed to both sides stays down on its own one, and comes down on either. */
static void narrow(np_interval *interval, const np_source *source, bool down, float value)
{
    bool both = np_links_has_sides(source);

    if (np_links_is_reversed(source->way) || (both && (!down || value < 0.0f)))
        narrow_below(interval, source, down);
    if (!np_links_is_reversed(source->way) && (!both || !down || value >= 0.0f))
        narrow_above(interval, source, down);
}

bool np_links_guard(const np_action_room *room, uint32_t control, unsigned component,
                    np_interval *interval)
{
    const np_link *links = room->sources.links;
    bool watched = false;

    for (uint32_t at = room->sources.of_control[control]; at != NP_NO_INDEX;
         at = links[at].of_control) {
        const np_source *source = &room->game->sources[links[at].source];
        watched |= source->watched != 0;
        if (np_links_has_press(&room->controls->list[control], source) &&
            np_links_component(source->way) == component)
            narrow(interval, source, links[at].down != 0,
                   room->controls->list[control].value[component]);
    }
    return !watched;
}
