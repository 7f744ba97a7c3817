#include "sources.h"
#include "nest.h"
#include <math.h>
#include <string.h>

void np_sources_layout(np_sources *sources, np_carve *carve, const nplug_limits *limits)
{
    size_t downs = (limits->players + 1u) * (size_t)limits->sources;

    sources->links = (np_link *)np_carve_take(carve, limits->links, sizeof(np_link));
    np_span_layout(&sources->span, carve, limits->links);
    sources->of_control = (uint16_t *)np_carve_take(carve, limits->controls, sizeof(uint16_t));
    sources->of_source = (uint16_t *)np_carve_take(carve, limits->sources, sizeof(uint16_t));
    sources->down = (uint16_t *)np_carve_take(carve, downs, sizeof(uint16_t));
    sources->source_limit = limits->sources;
    if (!carve->base) return;
    memset(sources->of_control, 0xff, limits->controls * sizeof(uint16_t));
    memset(sources->of_source, 0xff, limits->sources * sizeof(uint16_t));
}

/* --- links ---------------------------------------------------------------------------------- */

/* Who hears a link's control, in a byte. */
static uint8_t heard_by(const nplug_nest *nest, const np_link *link)
{
    uint32_t claiming = np_players_claiming(&nest->players, &nest->controls.list[link->control]);

    if (claiming == 0) return NP_HEARD_BY_NOBODY;
    return (uint8_t)(np_bits_rest(claiming) ? NP_HEARD_BY_SEVERAL : np_bits_lowest(claiming));
}

/* A source's links stand by who hears them, those of nobody last: so no player looks far. */
static void put_in(nplug_nest *nest, uint16_t at)
{
    np_link *links = nest->sources.links;
    uint16_t *from = &nest->sources.of_source[links[at].source];

    links[at].heard = heard_by(nest, &links[at]);
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

static bool link_control(nplug_nest *nest, uint32_t source, uint32_t control)
{
    np_sources *sources = &nest->sources;
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
    put_in(nest, (uint16_t)at);
    return true;
}

void np_sources_sort(nplug_nest *nest, uint32_t device)
{
    np_run run = nest->controls.of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        uint16_t at = nest->sources.of_control[i];
        for (; at != NP_NO_INDEX; at = nest->sources.links[at].of_control) {
            take_out(&nest->sources, at);
            put_in(nest, at);
        }
    }
}

/* Whether a device is one of those that a source may be of. */
static bool suits(const nplug_nest *nest, uint32_t device, uint32_t source)
{
    const np_filter *filter = &nest->game.filters[nest->game.sources[source].filter];
    const np_recognition *of = &nest->recogniser.of[device];

    if (filter->kind && filter->kind != of->kind) return false;
    if (filter->family[0] && strcmp(filter->family, of->prints ? of->prints->family : "") != 0)
        return false;
    if (filter->confirm && filter->confirm != np_recognition_confirm(of)) return false;
    return !filter->sheet[0] || strcmp(filter->sheet, of->sheet ? of->sheet->name : "") == 0;
}

bool np_sources_link(nplug_nest *nest, uint32_t device)
{
    np_run run = nest->controls.of_device[device];
    bool all = true;

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        uint32_t source = np_game_source(&nest->game, nest->controls.list[i].id);
        nest->sources.of_control[i] = NP_NO_INDEX;
        for (; source != NP_NO_INDEX; source = np_game_same_control(&nest->game, source))
            if (suits(nest, device, source)) all &= link_control(nest, source, i);
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

void np_sources_unlink(nplug_nest *nest, uint32_t device)
{
    np_run run = nest->controls.of_device[device];

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++)
        unlink_control(&nest->sources, i);
}

/* --- edges ---------------------------------------------------------------------------------- */

/* Whoever is to join presses for itself: what another device holds does not stand in its way. */
static bool begins_anew(const nplug_nest *nest, uint32_t player, uint16_t down)
{
    return player == 0 && down && nest->players.join != NP_NO_INDEX;
}

static void move_for(nplug_nest *nest, uint32_t player, uint32_t source, const np_change *change,
                     bool pressed)
{
    uint16_t *down = &nest->sources.down[(size_t)player * nest->sources.source_limit + source];
    uint16_t others = *down;

    if (!pressed) {
        if (*down && --*down == 0) np_gestures_turn(nest, player, source, change, false);
        return;
    }
    if (begins_anew(nest, player, others)) {
        np_change ended = *change;
        ended.cancelled = true;
        *down = 0;
        np_gestures_turn(nest, player, source, &ended, false);
    }
    if (*down == 0) {
        *down = 1;
        np_gestures_turn(nest, player, source, change, true);
    }
    *down = (uint16_t)(others + 1);
}

static void move_all(nplug_nest *nest, np_link *link, const np_change *change)
{
    uint32_t hearers = np_players_hearing(&nest->players, &nest->controls.list[link->control]);

    hearers &= ~((uint32_t)link->missed << 1);
    link->missed = 0;
    for (; hearers; hearers = np_bits_rest(hearers))
        move_for(nest, np_bits_lowest(hearers), link->source, change, link->down != 0);
}

/* Which number of a control a way reads, and whether it counts downwards. */
static unsigned component_of(uint32_t way)
{
    return way == NPLUG_WAY_Y || way == NPLUG_WAY_UP || way == NPLUG_WAY_DOWN;
}

static bool is_reversed(uint32_t way)
{
    return way == NPLUG_WAY_LEFT || way == NPLUG_WAY_DOWN;
}

/* A whole stick has no press: its links only give values. */
static bool has_press(const np_control *control, const np_source *source)
{
    return (control->components == 1 || source->way != NPLUG_WAY_WHOLE) &&
           control->nature != NPLUG_NATURE_DELTA;
}

/* What a source that has a press reads of a control's value. */
static float reading(const np_source *source, nplug_vec2 value)
{
    float one = component_of(source->way) ? value.y : value.x;
    return is_reversed(source->way) ? 0.0f - one : one;
}

/* One number of two is pressed to either side. */
static bool has_sides(const np_source *source)
{
    return source->way == NPLUG_WAY_X || source->way == NPLUG_WAY_Y;
}

/* Whether a control passes the threshold that a link waits for. */
static bool passes(const np_link *link, const np_source *source, const np_control *control)
{
    float value = reading(source, np_controls_heard(control));

    if (has_sides(source) && value < 0.0f) value = 0.0f - value;
    return link->down ? value < source->release : value >= source->press;
}

void np_sources_hear(nplug_nest *nest, const np_change *change)
{
    uint16_t at = nest->sources.of_control[change->control];
    const np_control *control = &nest->controls.list[change->control];
    bool watched = false;

    for (; at != NP_NO_INDEX; at = nest->sources.links[at].of_control) {
        np_link *link = &nest->sources.links[at];
        const np_source *source = &nest->game.sources[link->source];
        watched |= source->watched != 0;
        if (!has_press(control, source)) continue;
        if (!passes(link, source, control)) continue;
        link->down = !link->down;
        move_all(nest, link, change);
    }
    if (watched) np_values_mark_control(nest, change->control, false);
}

void np_sources_strike(nplug_nest *nest, const np_change *change, uint16_t way)
{
    for (uint16_t at = nest->sources.of_control[change->control]; at != NP_NO_INDEX;
         at = nest->sources.links[at].of_control) {
        np_link *link = &nest->sources.links[at];
        if (nest->game.sources[link->source].way != way) continue;
        link->down = 1;
        move_all(nest, link, change);
        link->down = 0;
        move_all(nest, link, change);
    }
}

nplug_device np_sources_device(const nplug_nest *nest, uint32_t player, uint32_t source)
{
    const np_link *links = nest->sources.links;

    for (uint32_t at = nest->sources.of_source[source]; at != NP_NO_INDEX; at = links[at].next) {
        const np_control *control = &nest->controls.list[links[at].control];
        if (links[at].down && (np_players_hearing(&nest->players, control) & (1u << player)))
            return np_devices_handle(&nest->devices, control->device);
    }
    return 0;
}

static void let_go_of(nplug_nest *nest, uint32_t control, np_change *change)
{
    uint16_t at = nest->sources.of_control[control];
    uint32_t hearers = np_players_hearing(&nest->players, &nest->controls.list[control]);

    change->control = control;
    change->id = nest->controls.list[control].id;
    for (; at != NP_NO_INDEX; at = nest->sources.links[at].of_control) {
        if (nest->sources.links[at].down) {
            nest->sources.links[at].down = 0;
            move_all(nest, &nest->sources.links[at], change);
        }
        for (uint32_t set = hearers; set; set = np_bits_rest(set))
            np_gestures_let_go(nest, np_bits_lowest(set), nest->sources.links[at].source, change);
    }
}

void np_sources_let_go(nplug_nest *nest, uint32_t device, uint32_t part, nplug_time time)
{
    np_run run = nest->controls.of_device[device];
    np_change change = {time, NP_NONE, np_devices_handle(&nest->devices, device), 0, true};
    bool slides = np_devices_slides(&nest->devices, device, time);

    np_controls_refresh(&nest->controls, &nest->devices, device);
    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        if (part != NP_ALL_PARTS && nest->controls.list[i].part != part) continue;
        np_controls_spend(&nest->controls, i, slides);
        let_go_of(nest, i, &change);
    }
}

/* A link that is down, or that only a toggled press holds. */
static void hand_over_link(nplug_nest *nest, np_link *link, uint32_t leaving, uint32_t coming,
                           const np_change *change)
{
    for (uint32_t set = leaving; set; set = np_bits_rest(set)) {
        uint32_t player = np_bits_lowest(set);
        if (link->down && !(((uint32_t)link->missed << 1 >> player) & 1u))
            move_for(nest, player, link->source, change, false);
        np_gestures_let_go(nest, player, link->source, change);
    }
    link->missed &= (uint16_t) ~(leaving >> 1);
    if (link->down) link->missed |= (uint16_t)(coming >> 1);
}

void np_sources_hand_over(nplug_nest *nest, uint32_t device, uint32_t part, uint32_t leaving,
                          uint32_t coming, nplug_time time)
{
    np_run run = nest->controls.of_device[device];
    np_change change = {time, NP_NONE, np_devices_handle(&nest->devices, device), 0, true};

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        uint16_t at = nest->sources.of_control[i];
        if (nest->controls.list[i].part != part) continue;
        change.control = i;
        change.id = nest->controls.list[i].id;
        for (; at != NP_NO_INDEX; at = nest->sources.links[at].of_control)
            hand_over_link(nest, &nest->sources.links[at], leaving, coming, &change);
    }
}

/* --- one source comes or goes while devices are here ----------------------------------------- */

/* What is down already is down for all who hear it, silently. */
static void settle_link(nplug_nest *nest, uint32_t source, uint32_t control)
{
    np_sources *sources = &nest->sources;
    np_link *link = &sources->links[sources->of_control[control]];
    const np_control *about = &nest->controls.list[control];
    uint32_t hearers = np_players_hearing(&nest->players, about);

    if (!has_press(about, &nest->game.sources[source])) return;
    link->down = passes(link, &nest->game.sources[source], about);
    for (; link->down && hearers; hearers = np_bits_rest(hearers))
        sources->down[(size_t)np_bits_lowest(hearers) * sources->source_limit + source]++;
}

bool np_sources_link_control(nplug_nest *nest, uint32_t source, uint32_t control)
{
    if (!suits(nest, nest->controls.list[control].device, source)) return true;
    if (!link_control(nest, source, control)) return false;
    settle_link(nest, source, control);
    return true;
}

static bool link_device(nplug_nest *nest, uint32_t source, uint32_t device)
{
    uint32_t control =
        np_controls_find(&nest->controls, device, nest->game.sources[source].control);

    return control == NP_NONE || np_sources_link_control(nest, source, control);
}

bool np_sources_link_one(nplug_nest *nest, uint32_t source)
{
    bool all = true;

    if (nest->sources.of_source[source] != NP_NO_INDEX) return true;
    for (uint32_t i = 0; i < nest->devices.count; i++)
        all &= link_device(nest, source, nest->devices.order[i]);
    return all;
}

/* Takes a link out of its control's list and its source's. */
static void unlink_at(np_sources *sources, uint32_t at)
{
    uint16_t *from = &sources->of_control[sources->links[at].control];

    while (*from != at)
        from = &sources->links[*from].of_control;
    *from = sources->links[at].of_control;
    unlink_one(sources, (uint16_t)at);
}

void np_sources_unlink_one(nplug_nest *nest, uint32_t source)
{
    np_sources *sources = &nest->sources;

    while (sources->of_source[source] != NP_NO_INDEX)
        unlink_at(sources, sources->of_source[source]);
    for (uint32_t p = 0; p <= nest->limits.players; p++)
        sources->down[(size_t)p * sources->source_limit + source] = 0;
}

static bool is_by_label(const nplug_nest *nest, const np_link *link)
{
    return NPLUG_CONTROL_CLASS(nest->game.sources[link->source].control) == NPLUG_CLASS_KEY_LABEL;
}

void np_sources_unlabel(nplug_nest *nest, uint32_t device, nplug_time time)
{
    np_run run = nest->controls.of_device[device];
    np_change change = {time, NP_NONE, np_devices_handle(&nest->devices, device), 0, true};

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        uint32_t at = nest->sources.of_control[i];
        while (at != NP_NO_INDEX) {
            np_link *link = &nest->sources.links[at];
            uint32_t next = link->of_control;
            if (is_by_label(nest, link)) {
                if (link->down) {
                    link->down = 0;
                    move_all(nest, link, &change);
                }
                unlink_at(&nest->sources, at);
            }
            at = next;
        }
    }
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

nplug_vec2 np_source_read(const np_source *source, nplug_vec2 value)
{
    if (source->way == NPLUG_WAY_WHOLE) return value;
    value.x = reading(source, value);
    value.y = 0.0f;
    if (source->way >= NPLUG_WAY_RIGHT && value.x < 0.0f) value.x = 0.0f;
    return value;
}

/* What a source gives of one control. */
static nplug_vec2 value_of(const np_game *game, const np_control *control, const np_source *source,
                           const np_taste *taste)
{
    nplug_vec2 value = np_source_read(source, np_controls_heard(control));
    unsigned components = source->way == NPLUG_WAY_WHOLE ? control->components : 1;
    bool square = (control->flags & NP_CONTROL_SQUARE) != 0;

    if (control->nature == NPLUG_NATURE_DELTA) return as_speed(taste, value);
    if (taste->moves) return np_shaped_speed(taste->shaping, value, components, square);
    if (!taste->shaping) return value;
    return np_game_shape(game, taste->shaping,
                         np_shaped(taste->shaping, value, components, square));
}

nplug_vec2 np_sources_value(const nplug_nest *nest, uint32_t player, uint32_t source,
                            const np_taste *taste)
{
    const np_source *about = &nest->game.sources[source];
    uint32_t heard = player ? player : NP_HEARD_BY_NOBODY;
    nplug_vec2 best = {0.0f, 0.0f};

    for (uint32_t at = nest->sources.of_source[source]; at != NP_NO_INDEX;
         at = nest->sources.links[at].next) {
        const np_link *link = &nest->sources.links[at];
        const np_control *control = &nest->controls.list[link->control];
        nplug_vec2 value;
        if (link->heard > heard) break;
        if (link->heard != heard && link->heard != NP_HEARD_BY_SEVERAL) continue;
        if (!(np_players_hearing(&nest->players, control) & (1u << player))) continue;
        value = value_of(&nest->game, control, about, taste);
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
    bool both = has_sides(source);

    if (is_reversed(source->way) || (both && (!down || value < 0.0f)))
        narrow_below(interval, source, down);
    if (!is_reversed(source->way) && (!both || !down || value >= 0.0f))
        narrow_above(interval, source, down);
}

bool np_sources_guard(const nplug_nest *nest, uint32_t control, unsigned component,
                      np_interval *interval)
{
    const np_link *links = nest->sources.links;
    bool watched = false;

    for (uint32_t at = nest->sources.of_control[control]; at != NP_NO_INDEX;
         at = links[at].of_control) {
        const np_source *source = &nest->game.sources[links[at].source];
        watched |= source->watched != 0;
        if (has_press(&nest->controls.list[control], source) &&
            component_of(source->way) == component)
            narrow(interval, source, links[at].down != 0,
                   nest->controls.list[control].value[component]);
    }
    return !watched;
}
