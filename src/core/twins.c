#include "twins.h"
#include "nest.h"

#define TOGETHER 30000u /* microseconds between the presses of a pair, at most */
#define ENOUGH   5u     /* presses in a row that both made */

static np_twin_pair *pair_of(np_twins *twins, nplug_device a, nplug_device b)
{
    np_twin_pair *pair;

    for (unsigned i = 0; i < NP_TWIN_PAIRS; i++) {
        pair = &twins->pairs[i];
        if ((pair->a == a && pair->b == b) || (pair->a == b && pair->b == a)) return pair;
    }
    pair = &twins->pairs[twins->next_pair++ % NP_TWIN_PAIRS];
    pair->a = a < b ? a : b;
    pair->b = a < b ? b : a;
    pair->together = 0;
    pair->said = false;
    return pair;
}

static void say(nplug_nest *nest, np_twin_pair *pair, nplug_time time)
{
    if (pair->said) return;
    pair->said = true;
    np_events_say(&nest->events, time, NPLUG_EVENT_TWIN, pair->b, 0)->count = pair->a;
}

/* A press that nobody else made ends all that its device had in common with others. */
static void part(np_twins *twins, const np_twin_press *press)
{
    for (unsigned i = 0; i < NP_TWIN_PAIRS; i++) {
        np_twin_pair *pair = &twins->pairs[i];
        if (pair->a != press->device && pair->b != press->device) continue;
        pair->together = 0;
        pair->said = false;
    }
}

static np_twin_press *press_at(np_twins *twins, uint32_t at)
{
    return &twins->presses[at % NP_TWIN_PRESSES];
}

/* Presses stand in the order of their times: the oldest come first. */
static void part_old(np_twins *twins, nplug_time time)
{
    for (; twins->oldest != twins->next; twins->oldest++) {
        const np_twin_press *press = press_at(twins, twins->oldest);
        if (press->time + TOGETHER >= time) return;
        if (press->device && !press->matched) part(twins, press);
    }
}

/* The same press by another device that waits for its like. */
static np_twin_press *like(np_twins *twins, nplug_device device, nplug_control control)
{
    for (uint32_t at = twins->oldest; at != twins->next; at++) {
        np_twin_press *press = press_at(twins, at);
        if (press->control == control && !press->matched && press->device &&
            press->device != device)
            return press;
    }
    return NULL;
}

void np_twins_hear(nplug_nest *nest, nplug_device device, nplug_control control, nplug_time time)
{
    np_twins *twins = &nest->twins;
    np_twin_press *other, *press;

    part_old(twins, time);
    other = like(twins, device, control);
    if (twins->next - twins->oldest == NP_TWIN_PRESSES) twins->oldest++;
    press = press_at(twins, twins->next++);
    press->time = time;
    press->device = device;
    press->control = control;
    press->matched = other != NULL;
    if (!other) return;
    other->matched = true;
    if (++pair_of(twins, device, other->device)->together >= ENOUGH)
        say(nest, pair_of(twins, device, other->device), time);
}

void np_twins_depart(nplug_nest *nest, nplug_device device)
{
    np_twins *twins = &nest->twins;

    for (unsigned i = 0; i < NP_TWIN_PRESSES; i++)
        if (twins->presses[i].device == device) twins->presses[i].device = 0;
    for (unsigned i = 0; i < NP_TWIN_PAIRS; i++)
        if (twins->pairs[i].a == device || twins->pairs[i].b == device)
            twins->pairs[i].a = twins->pairs[i].b = 0;
}

nplug_device np_twins_of(const np_twins *twins, nplug_device device)
{
    for (unsigned i = 0; i < NP_TWIN_PAIRS; i++) {
        const np_twin_pair *pair = &twins->pairs[i];
        if (pair->said && pair->a == device) return pair->b;
        if (pair->said && pair->b == device) return pair->a;
    }
    return 0;
}
