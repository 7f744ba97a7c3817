/* Digests: all that can be seen of a nest, as one number.
 *
 * Owns nothing.  Comes in: the rooms.  Goes out: 64 bits, the same on every target. */
#include "core/nest/nest.h"
#include <string.h>

/* Which of the keys that the game does not bind is down is left out: a trace does not tell.  One
 * that went down before it was bound is at rest in the trace, until it comes up. */
static void add_signal(np_digest *digest, const nplug_nest *nest, uint32_t signal)
{
    np_run run = nest->device.controls.of_signal[signal];

    bool masked = np_record_masks(nest, signal);

    if (np_record_hides(nest, signal)) return;
    np_digest_u64(digest, masked ? 0u : (uint32_t)nest->device.devices.raw[signal]);
    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        uint32_t control = nest->device.controls.wires[w].control;
        uint16_t flags = nest->device.controls.list[control].flags;
        nplug_vec2 value =
            np_controls_value(&nest->device.controls, &nest->device.devices, control);
        np_digest_float(digest, masked ? 0.0f : value.x);
        np_digest_float(digest, masked ? 0.0f : value.y);
        np_digest_u64(digest, masked ? 0u : flags & (NP_CONTROL_DOWN | NP_CONTROL_SPENT));
    }
}

static void add_device(np_digest *digest, const nplug_nest *nest, uint32_t device)
{
    uint32_t signal;

    np_digest_u64(digest, np_devices_handle(&nest->device.devices, device));
    if (nest->device.devices.list[device].asleep) np_digest_u64(digest, device);
    np_digest_u64(digest, (uint64_t)nest->device.recogniser.of[device].matched);
    np_digest_u64(digest, (uint64_t)np_players_of(&nest->player.players, device) << 16 |
                              nest->player.players.parts[device].suppressed);
    for (uint32_t i = 0; (signal = np_devices_signal(&nest->device.devices, device, i)) != NP_NONE;
         i++)
        add_signal(digest, nest, signal);
}

static void add_action(np_digest *digest, const np_action *action)
{
    np_digest_u64(digest, action->presses);
    np_digest_u64(digest, action->held != 0);
    np_digest_u64(digest, action->press_time);
    np_digest_u64(digest, action->release_time);
    np_digest_float(digest, action->value.x);
    np_digest_float(digest, action->value.y);
}

/* The one number that an event has beside those that all have. */
static uint64_t number_of(const nplug_event *event)
{
    return event->press_count | event->other_device | event->other_player | event->part |
           event->port | event->limit | event->way | event->battery_percent;
}

/* Those of the step, but values, which the actions hold.  The control is left out: a trace does not
 * hold which unbound key made a join. */
static void add_events(np_digest *digest, const np_events *events)
{
    np_digest_u64(digest, events->dropped);
    for (uint32_t i = 0; i < events->count; i++) {
        const nplug_event *event = &events->list[i];
        if (event->kind == NPLUG_EVENT_VALUE) continue;
        np_digest_u64(digest, event->time);
        np_digest_u64(digest, number_of(event) << 16 | event->flags);
        np_digest_u64(digest, (uint64_t)event->kind << 32 | event->device);
        np_digest_u64(digest, (uint64_t)(event->player == NPLUG_EVERYONE ? 0 : event->player)
                                      << 32 |
                                  event->action);
    }
}

uint64_t nplug_digest(const nplug_nest *nest)
{
    np_digest digest = {NP_HASH_START};

    if (!nest) return 0;
    np_digest_u64(&digest, nest->feed.processed);
    add_events(&digest, &nest->out.events);
    np_digest_u64(&digest, nest->player.players.seated);
    if (nest->player.players.main != NPLUG_KIND_HAND_RIGHT)
        np_digest_u64(&digest, nest->player.players.main);
    np_digest_u64(&digest, nest->out.timers.count);
    np_digest_u64(&digest, (uint64_t)nest->device.controls.muted_kinds << 32 |
                               nest->device.controls.deaf_kinds);
    np_digest_u64(&digest, nest->action.pick.waits);
    digest.hash = np_hash(digest.hash, nest->game.rebinds.text, nest->game.rebinds.used);
    for (uint32_t i = 0; i < nest->device.devices.count; i++)
        add_device(&digest, nest, nest->device.devices.order[i]);
    for (uint32_t p = 0; nest->game.game.used && p <= nest->limits.players; p++) {
        np_digest_u64(&digest, nest->action.layers.on[p]);
        np_digest_u64(&digest,
                      nest->player.active.of[p].used << 32 | nest->player.active.of[p].device);
        for (uint32_t a = 0; a < nest->game.game.def.action_count; a++)
            add_action(&digest, np_action_of(&nest->action.actions, p, a));
    }
    return digest.hash;
}

/* --- what was given to a nest ---------------------------------------------------------------- */

static void add_text(np_digest *digest, const char *text)
{
    digest->hash = np_hash(digest->hash, text, strlen(text) + 1);
}

static void add_codes(np_digest *digest, const uint32_t *codes, uint32_t count)
{
    np_digest_u64(digest, count);
    for (uint32_t i = 0; i < count; i++)
        np_digest_u64(digest, codes[i]);
}

static void add_match(np_digest *digest, const nplug_rule *match)
{
    np_digest_u64(digest, (uint64_t)match->bus << 48 | (uint64_t)match->vendor << 32 |
                              (uint64_t)match->product << 16 | match->version);
    np_digest_u64(digest, (uint64_t)match->kind << 16 | match->space);
    add_codes(digest, match->has, match->has_count);
    add_codes(digest, match->lacks, match->lacks_count);
    np_digest_u64(digest, match->axis);
    np_digest_u64(digest, (uint64_t)(uint32_t)match->fuzz << 32 | (uint32_t)match->flat);
}

static void add_wire(np_digest *digest, const nplug_wire *wire)
{
    np_digest_u64(digest, (uint64_t)wire->code << 32 | (uint64_t)wire->control << 16 |
                              (uint64_t)wire->component << 8 | wire->space);
    np_digest_u64(digest, (uint64_t)wire->debounce_ms << 24 | (uint64_t)wire->node << 16 |
                              (uint64_t)wire->reading << 8 | wire->flags);
    np_digest_u64(digest, (uint64_t)(uint32_t)wire->rest << 32 | (uint32_t)wire->min);
    np_digest_u64(digest, (uint32_t)wire->max);
}

static void add_sheet(np_digest *digest, const nplug_sheet *sheet)
{
    add_text(digest, sheet->name);
    np_digest_u64(digest, (uint64_t)sheet->kind << 32 | sheet->confirm << 8 | sheet->keys);
    for (uint32_t i = 0; i < sheet->rule_count; i++)
        add_match(digest, np_rule_row(sheet, i));
    for (uint32_t i = 0; i < sheet->wire_count; i++)
        add_wire(digest, np_wire_row(sheet, i));
}

static void add_calibration(np_digest *digest, const nplug_calibration *one)
{
    np_digest_u64(digest, one->device);
    np_digest_u64(digest, (uint64_t)one->space << 32 | one->code);
    np_digest_u64(digest, (uint64_t)(uint32_t)one->low << 32 | (uint32_t)one->high);
    np_digest_u64(digest, (uint32_t)one->rest);
}

uint64_t nplug_given_digest(const nplug_nest *nest)
{
    np_digest digest = {NP_HASH_START};

    if (!nest ||
        (nest->device.recogniser.set_count < 2 && nest->device.calibrations.known_count == 0))
        return 0;
    for (uint32_t s = 1; s < nest->device.recogniser.set_count; s++)
        for (uint32_t i = 0; i < nest->device.recogniser.sets[s].count; i++)
            add_sheet(&digest, np_sheet_row(nest->device.recogniser.sets[s].sheets, i));
    for (uint32_t i = 0; i < nest->device.calibrations.known_count; i++)
        add_calibration(&digest, &nest->device.calibrations.known[i]);
    return digest.hash;
}
