#include "twins.h"
#include "nest.h"
#include <string.h>

#define TOGETHER 30000u /* microseconds between the presses of a pair, at most */
#define ENOUGH   5u     /* presses in a row that both made */

static nplug_device first_of(const np_twin_pair *pair)
{
    return (nplug_device)(pair->who >> 32);
}

static nplug_device second_of(const np_twin_pair *pair)
{
    return (nplug_device)pair->who;
}

static np_twin_pair *pair_of(np_twins *twins, nplug_device a, nplug_device b)
{
    uint64_t who = a < b ? (uint64_t)a << 32 | b : (uint64_t)b << 32 | a;
    np_twin_pair *pair;

    for (unsigned i = 0; i < NP_TWIN_PAIRS; i++)
        if (twins->pairs[i].who == who) return &twins->pairs[i];
    pair = &twins->pairs[twins->next_pair++ % NP_TWIN_PAIRS];
    pair->who = who;
    pair->together = 0;
    pair->said = false;
    return pair;
}

static void say(nplug_nest *nest, np_twin_pair *pair, nplug_time time)
{
    if (pair->said) return;
    pair->said = true;
    np_events_say(&nest->events, time, NPLUG_EVENT_TWIN, second_of(pair), 0)->count =
        first_of(pair);
}

static bool is_of(const np_twin_pair *pair, nplug_device device)
{
    return first_of(pair) == device || second_of(pair) == device;
}

/* A press that nobody else made ends all that its device had in common with others. */
static void part(np_twins *twins, const np_twin_press *press)
{
    for (unsigned i = 0; i < NP_TWIN_PAIRS; i++) {
        np_twin_pair *pair = &twins->pairs[i];
        if (!is_of(pair, press->device)) continue;
        pair->together = 0;
        pair->said = false;
    }
}

/* A press waits no longer. */
static void take_out(np_twins *twins, uint32_t place)
{
    if (place < --twins->waiting)
        memmove(&twins->waits[place], &twins->waits[place + 1],
                (twins->waiting - place) * sizeof *twins->waits);
}

/* Presses wait in the order of their times. */
static void part_old(np_twins *twins, nplug_time time)
{
    while (twins->waiting && twins->waits[0].time + TOGETHER < time) {
        part(twins, &twins->waits[0]);
        take_out(twins, 0);
    }
}

/* The place of the same press by another device; where there is none, how many wait. */
static uint32_t like(const np_twins *twins, nplug_device device, nplug_control control)
{
    uint32_t place = 0;

    while (place < twins->waiting &&
           (twins->waits[place].control != control || twins->waits[place].device == device))
        place++;
    return place;
}

static void wait_for_like(np_twins *twins, nplug_device device, nplug_control control,
                          nplug_time time)
{
    np_twin_press *press;

    if (twins->waiting == NP_TWIN_PRESSES) take_out(twins, 0);
    press = &twins->waits[twins->waiting++];
    press->time = time;
    press->device = device;
    press->control = control;
}

void np_twins_hear(nplug_nest *nest, nplug_device device, nplug_control control, nplug_time time)
{
    np_twins *twins = &nest->twins;
    np_twin_pair *pair;
    uint32_t place;

    part_old(twins, time);
    place = like(twins, device, control);
    if (place == twins->waiting) {
        wait_for_like(twins, device, control, time);
        return;
    }
    pair = pair_of(twins, device, twins->waits[place].device);
    take_out(twins, place);
    if (++pair->together >= ENOUGH) say(nest, pair, time);
}

void np_twins_depart(nplug_nest *nest, nplug_device device)
{
    np_twins *twins = &nest->twins;

    for (uint32_t i = twins->waiting; i > 0; i--)
        if (twins->waits[i - 1].device == device) take_out(twins, i - 1);
    for (unsigned i = 0; i < NP_TWIN_PAIRS; i++)
        if (is_of(&twins->pairs[i], device)) twins->pairs[i].who = 0;
}

nplug_device np_twins_of(const np_twins *twins, nplug_device device)
{
    for (unsigned i = 0; i < NP_TWIN_PAIRS; i++) {
        const np_twin_pair *pair = &twins->pairs[i];
        if (!pair->said || !is_of(pair, device)) continue;
        return first_of(pair) == device ? second_of(pair) : first_of(pair);
    }
    return 0;
}
