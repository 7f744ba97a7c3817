/* Duplicates: two devices whose presses come together are one piece of hardware seen twice.
 *
 * Owns np_duplicates.  Comes in: presses.  Goes out: an event. */
#include "core/device/device.h"
#include <string.h>

#define TOGETHER 30000u /* microseconds between the presses of a pair, at most */
#define ENOUGH   5u     /* presses in a row that both made */

static nplug_device first_of(const np_duplicate_pair *pair)
{
    return (nplug_device)(pair->who >> 32);
}

static nplug_device second_of(const np_duplicate_pair *pair)
{
    return (nplug_device)pair->who;
}

static np_duplicate_pair *pair_of(np_duplicates *duplicates, nplug_device a, nplug_device b)
{
    uint64_t who = a < b ? (uint64_t)a << 32 | b : (uint64_t)b << 32 | a;
    np_duplicate_pair *pair;

    for (unsigned i = 0; i < NP_DUPLICATE_PAIRS; i++)
        if (duplicates->pairs[i].who == who) return &duplicates->pairs[i];
    pair = &duplicates->pairs[duplicates->next_pair++ % NP_DUPLICATE_PAIRS];
    pair->who = who;
    pair->together = 0;
    pair->said = false;
    return pair;
}

static void tell(np_device_room *room, np_duplicate_pair *pair, nplug_time time)
{
    if (pair->said) return;
    pair->said = true;
    np_out_event(room->out, time, NPLUG_EVENT_DUPLICATE, second_of(pair), 0)->other_device =
        first_of(pair);
}

static bool is_of(const np_duplicate_pair *pair, nplug_device device)
{
    return first_of(pair) == device || second_of(pair) == device;
}

/* A press that nobody else made ends all that its device had in common with others. */
static void part(np_duplicates *duplicates, const np_duplicate_press *press)
{
    for (unsigned i = 0; i < NP_DUPLICATE_PAIRS; i++) {
        np_duplicate_pair *pair = &duplicates->pairs[i];
        if (!is_of(pair, press->device)) continue;
        pair->together = 0;
        pair->said = false;
    }
}

/* A press waits no longer. */
static void take_out(np_duplicates *duplicates, uint32_t place)
{
    if (place < --duplicates->waiting)
        memmove(&duplicates->waits[place], &duplicates->waits[place + 1],
                (duplicates->waiting - place) * sizeof *duplicates->waits);
}

/* Presses wait in the order of their times. */
static void part_old(np_duplicates *duplicates, nplug_time time)
{
    while (duplicates->waiting && duplicates->waits[0].time + TOGETHER < time) {
        part(duplicates, &duplicates->waits[0]);
        take_out(duplicates, 0);
    }
}

/* The place of the same press by another device; where there is none, how many wait. */
static uint32_t like(const np_duplicates *duplicates, nplug_device device, nplug_control control)
{
    uint32_t place = 0;

    while (place < duplicates->waiting && (duplicates->waits[place].control != control ||
                                           duplicates->waits[place].device == device))
        place++;
    return place;
}

static void wait_for_like(np_duplicates *duplicates, nplug_device device, nplug_control control,
                          nplug_time time)
{
    np_duplicate_press *press;

    if (duplicates->waiting == NP_DUPLICATE_PRESSES) take_out(duplicates, 0);
    press = &duplicates->waits[duplicates->waiting++];
    press->time = time;
    press->device = device;
    press->control = control;
}

void np_duplicates_hear(np_device_room *room, nplug_device device, nplug_control control,
                        nplug_time time)
{
    np_duplicates *duplicates = &room->duplicates;
    np_duplicate_pair *pair;
    uint32_t place;

    part_old(duplicates, time);
    place = like(duplicates, device, control);
    if (place == duplicates->waiting) {
        wait_for_like(duplicates, device, control, time);
        return;
    }
    pair = pair_of(duplicates, device, duplicates->waits[place].device);
    take_out(duplicates, place);
    if (++pair->together >= ENOUGH) tell(room, pair, time);
}

void np_duplicates_depart(np_device_room *room, nplug_device device)
{
    np_duplicates *duplicates = &room->duplicates;

    for (uint32_t i = duplicates->waiting; i > 0; i--)
        if (duplicates->waits[i - 1].device == device) take_out(duplicates, i - 1);
    for (unsigned i = 0; i < NP_DUPLICATE_PAIRS; i++)
        if (is_of(&duplicates->pairs[i], device)) duplicates->pairs[i].who = 0;
}

nplug_device np_duplicates_of(const np_duplicates *duplicates, nplug_device device)
{
    for (unsigned i = 0; i < NP_DUPLICATE_PAIRS; i++) {
        const np_duplicate_pair *pair = &duplicates->pairs[i];
        if (!pair->said || !is_of(pair, device)) continue;
        return first_of(pair) == device ? second_of(pair) : first_of(pair);
    }
    return 0;
}
