#include "sources.h"
#include "nest.h"
#include <math.h>
#include <string.h>

void np_sources_layout(np_sources *sources, np_carve *carve, const nplug_limits *limits)
{
    size_t machines = (limits->players + 1u) * (size_t)limits->sources;

    sources->links = (np_link *)np_carve_take(carve, limits->links, sizeof(np_link));
    np_span_layout(&sources->span, carve, limits->links);
    sources->of_control = (uint16_t *)np_carve_take(carve, limits->controls, sizeof(uint16_t));
    sources->of_source = (uint16_t *)np_carve_take(carve, limits->sources, sizeof(uint16_t));
    sources->machines = (np_machine *)np_carve_take(carve, machines, sizeof(np_machine));
    sources->source_limit = limits->sources;
    if (!carve->base) return;
    memset(sources->of_control, 0xff, limits->controls * sizeof(uint16_t));
    memset(sources->of_source, 0xff, limits->sources * sizeof(uint16_t));
}

/* --- links ---------------------------------------------------------------------------------- */

static bool link_control(np_sources *sources, uint32_t source, uint32_t control)
{
    int32_t at = np_span_take(&sources->span, 1);
    np_link *link;

    if (at < 0) return false;
    link = &sources->links[at];
    link->source = (uint16_t)source;
    link->control = (uint16_t)control;
    link->down = 0;
    link->next = sources->of_source[source];
    link->of_control = sources->of_control[control];
    sources->of_source[source] = (uint16_t)at;
    sources->of_control[control] = (uint16_t)at;
    return true;
}

bool np_sources_link(nplug_nest *nest, uint32_t device)
{
    np_run run = nest->controls.of_device[device];
    bool all = true;

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        uint32_t source = np_game_source(&nest->game, nest->controls.list[i].id);
        nest->sources.of_control[i] = NP_NO_INDEX;
        for (; source != NP_NO_INDEX; source = np_game_same_control(&nest->game, source))
            all &= link_control(&nest->sources, source, i);
    }
    return all;
}

static void unlink_one(np_sources *sources, uint16_t at)
{
    uint16_t *from = &sources->of_source[sources->links[at].source];

    while (*from != at)
        from = &sources->links[*from].next;
    *from = sources->links[at].next;
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

/* --- gestures ------------------------------------------------------------------------------- */

static np_machine *machine_of(np_sources *sources, uint32_t player, uint32_t source)
{
    return &sources->machines[(size_t)player * sources->source_limit + source];
}

/* A press that its layer does not allow never becomes a hold. */
static void begin_hold(nplug_nest *nest, uint32_t player, uint32_t binding, nplug_time time)
{
    nplug_time due = time + nest->game.bindings[binding].hold;

    if (!np_actions_allow(nest, player, binding)) return;
    if (!np_timers_set(&nest->timers, due, NP_TIMER_HOLD, player, binding))
        np_limit_reached(nest, NPLUG_LIMIT_TIMERS, time);
}

/* A source went down or came up for a player: each binding on it hears what it wants of it. */
static void tell_bindings(nplug_nest *nest, uint32_t player, uint32_t source,
                          const np_change *change, bool pressed)
{
    uint32_t at = nest->game.sources[source].first_use;

    for (; at != NP_NO_INDEX; at = nest->game.uses[at].next) {
        uint32_t binding = nest->game.uses[at].binding;
        bool holds = nest->game.bindings[binding].hold != 0;
        if (nest->game.bindings[binding].ramp != NP_NO_INDEX)
            np_actions_turn_ramp(nest, player, binding, source, change->time);
        if (pressed && holds)
            begin_hold(nest, player, binding, change->time);
        else if (pressed)
            np_actions_press(nest, player, binding, change);
        else
            np_actions_release(nest, player, binding, change);
        if (!pressed) np_sources_forget_hold(nest, player, binding);
    }
}

static void move_machine(nplug_nest *nest, uint32_t player, uint32_t source,
                         const np_change *change, bool pressed)
{
    np_machine *machine = machine_of(&nest->sources, player, source);

    if (pressed) {
        if (machine->down++ == 0) tell_bindings(nest, player, source, change, true);
        return;
    }
    if (machine->down && --machine->down == 0) tell_bindings(nest, player, source, change, false);
}

static void move_machines(nplug_nest *nest, const np_link *link, const np_change *change)
{
    uint32_t device = nest->controls.list[link->control].device;
    uint32_t hearers = np_players_hearing(&nest->players, device);

    for (uint32_t player = 0; hearers >> player; player++)
        if (hearers & (1u << player))
            move_machine(nest, player, link->source, change, link->down != 0);
}

/* A stick has no press: its links only give values. */
static bool has_press(const np_control *control)
{
    return control->components == 1 && control->nature != NPLUG_NATURE_DELTA;
}

/* Whether a value passes the threshold that a link waits for. */
static bool passes(const nplug_nest *nest, const np_link *link, float value)
{
    const np_source *source = &nest->game.sources[link->source];
    return link->down ? value < source->release : value >= source->press;
}

void np_sources_hear(nplug_nest *nest, const np_change *change)
{
    uint16_t at = nest->sources.of_control[change->control];
    const np_control *control = &nest->controls.list[change->control];
    float value;

    if (at == NP_NO_INDEX || !has_press(control)) return;
    value = np_controls_heard(control).x;
    for (; at != NP_NO_INDEX; at = nest->sources.links[at].of_control) {
        np_link *link = &nest->sources.links[at];
        if (!passes(nest, link, value)) continue;
        link->down = !link->down;
        move_machines(nest, link, change);
    }
}

void np_sources_forget_hold(nplug_nest *nest, uint32_t player, uint32_t binding)
{
    if (nest->game.bindings[binding].hold)
        np_timers_cancel(&nest->timers, NP_TIMER_HOLD, player, binding);
}

void np_sources_held(nplug_nest *nest, uint32_t player, uint32_t binding, nplug_time time)
{
    uint32_t source = nest->game.bindings[binding].source[0];
    np_change change = {time, NP_NONE, 0, nest->game.sources[source].control, false};

    for (uint32_t at = nest->sources.of_source[source]; at != NP_NO_INDEX;
         at = nest->sources.links[at].next) {
        const np_link *link = &nest->sources.links[at];
        uint32_t device = nest->controls.list[link->control].device;
        if (!link->down || !(np_players_hearing(&nest->players, device) & (1u << player))) continue;
        change.device = np_devices_handle(&nest->devices, device);
    }
    np_actions_press(nest, player, binding, &change);
}

static void let_go_of(nplug_nest *nest, uint32_t control, np_change *change)
{
    uint16_t at = nest->sources.of_control[control];

    for (; at != NP_NO_INDEX; at = nest->sources.links[at].of_control) {
        if (!nest->sources.links[at].down) continue;
        change->control = control;
        change->id = nest->controls.list[control].id;
        nest->sources.links[at].down = 0;
        move_machines(nest, &nest->sources.links[at], change);
    }
}

void np_sources_let_go(nplug_nest *nest, uint32_t device, nplug_time time)
{
    np_run run = nest->controls.of_device[device];
    np_change change = {time, NP_NONE, np_devices_handle(&nest->devices, device), 0, true};

    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        np_controls_spend(&nest->controls, i);
        let_go_of(nest, i, &change);
    }
}

/* --- values --------------------------------------------------------------------------------- */

static float length_squared(nplug_vec2 v)
{
    return v.x * v.x + v.y * v.y;
}

static nplug_vec2 shaped(const np_control *control, const np_shaping *shaping)
{
    nplug_vec2 value = np_controls_heard(control);

    if (!shaping) return value;
    if (control->nature == NPLUG_NATURE_DELTA) return np_shaped_delta(shaping, value);
    return np_shaped(shaping, value, control->components,
                     (control->flags & NP_CONTROL_SQUARE) != 0);
}

nplug_vec2 np_sources_value(const nplug_nest *nest, uint32_t player, uint32_t source,
                            const np_shaping *shaping)
{
    nplug_vec2 best = {0.0f, 0.0f};

    for (uint32_t at = nest->sources.of_source[source]; at != NP_NO_INDEX;
         at = nest->sources.links[at].next) {
        const np_control *control = &nest->controls.list[nest->sources.links[at].control];
        nplug_vec2 value;
        if (!(np_players_hearing(&nest->players, control->device) & (1u << player))) continue;
        value = shaped(control, shaping);
        if (control->nature == NPLUG_NATURE_DELTA) {
            best.x += value.x;
            best.y += value.y;
        } else if (length_squared(value) > length_squared(best)) {
            best = value;
        }
    }
    return best;
}

void np_sources_guard(const nplug_nest *nest, uint32_t control, np_interval *interval)
{
    const np_sources *sources = &nest->sources;
    uint16_t at = sources->of_control[control];

    if (!has_press(&nest->controls.list[control])) return;
    for (; at != NP_NO_INDEX; at = sources->links[at].of_control) {
        const np_source *source = &nest->game.sources[sources->links[at].source];
        if (sources->links[at].down) {
            if (interval->at_least < source->release) interval->at_least = source->release;
        } else if (interval->below > source->press) {
            interval->below = source->press;
        }
    }
}
