/* Effects: how devices rumble, one rumble after the other.
 *
 * Owns np_effects.  Comes in: what is asked for, ends of rumbles, devices that are not to rumble
 * any more.  Goes out: to ports, what hardware has to do now. */
#include "core/feed/feed.h"
#include <string.h>

static void send(const np_feed *feed, const np_effect *effect)
{
    nplug_command command = {0};

    command.kind = NPLUG_COMMAND_RUMBLE;
    command.strong = effect->strong;
    command.weak = effect->weak;
    command.number = effect->ms;
    np_feed_effect(feed, effect->key, &command);
}

/* The first of a device's from a place on; their count where it has none. */
static uint32_t next_of(const np_effects *effects, uint32_t device, uint32_t at)
{
    while (at < effects->count && effects->list[at].device != device)
        at++;
    return at;
}

static void drop(np_effects *effects, uint32_t at)
{
    effects->count--;
    memmove(&effects->list[at], &effects->list[at + 1],
            (effects->count - at) * sizeof *effects->list);
}

/* All of a device's, and the key of its node; 0 where there was none. */
static uint32_t forget(np_feed *feed, np_out *out, uint32_t device)
{
    np_effects *effects = &feed->effects;
    uint32_t at = next_of(effects, device, 0), key = 0;

    for (; at < effects->count; at = next_of(effects, device, at)) {
        key = effects->list[at].key;
        drop(effects, at);
    }
    np_timers_cancel(&out->timers, NP_TIMER_EFFECT, 0, device);
    return key;
}

/* The first of a device's plays from now on; where there is no timer for its end, nothing waits for
 * that. */
static void play(np_feed *feed, np_out *out, uint32_t device, nplug_time time)
{
    uint32_t at = next_of(&feed->effects, device, 0);
    const np_effect *effect = &feed->effects.list[at];
    nplug_time due;

    if (at == feed->effects.count) return;
    send(feed, effect);
    due = time + (nplug_time)effect->ms * 1000u;
    if (!np_out_timer(out, due, NP_TIMER_EFFECT, 0, device, time)) forget(feed, out, device);
}

void np_effects_ask(np_feed *feed, np_out *out, const np_effect *effect, bool after,
                    nplug_time time)
{
    np_effects *effects = &feed->effects;
    bool waits;

    if (!after) forget(feed, out, effect->device);
    if (effect->ms == 0) {
        send(feed, effect);
        return;
    }
    if (effects->count == NP_EFFECTS) {
        np_out_limit(out, NPLUG_LIMIT_EFFECTS, time);
        return;
    }
    waits = next_of(effects, effect->device, 0) < effects->count;
    effects->list[effects->count++] = *effect;
    if (!waits) play(feed, out, effect->device, time);
}

void np_effects_over(np_feed *feed, np_out *out, uint32_t device, nplug_time time)
{
    uint32_t at = next_of(&feed->effects, device, 0);

    if (at < feed->effects.count) drop(&feed->effects, at);
    play(feed, out, device, time);
}

void np_effects_stop(np_feed *feed, np_out *out, uint32_t device)
{
    np_effect none = {0, (uint16_t)device, 0, 0, 0};

    if (next_of(&feed->effects, device, 0) == feed->effects.count) return;
    none.key = forget(feed, out, device);
    send(feed, &none);
}

void np_effects_pause(np_feed *feed, bool on)
{
    feed->effects.paused = on;
}
