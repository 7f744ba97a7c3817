/* Records: what was taken, kept for whoever writes a trace; and what a trace must not tell.
 *
 * Owns np_recorder.  Comes in: reports, commands, steps.  Goes out: records, with serial numbers
 * and unbound keys hidden. */
#include "core/nest/nest.h"
#include <string.h>

void np_record_layout(np_recorder *recorder, np_arena *arena, uint32_t size)
{
    recorder->list = (nplug_record *)np_arena_take(arena, size, sizeof(nplug_record));
    recorder->size = size;
}

static void keep(np_recorder *recorder, const nplug_record *record)
{
    if (recorder->count == recorder->size) {
        recorder->dropped++;
        return;
    }
    recorder->list[(recorder->first + recorder->count++) % recorder->size] = *record;
}

/* --- what a trace must not tell ------------------------------------------------------------- */

/* A serial number and a unit key become pseudonyms, each piece for itself: equal ones stay equal,
 * so that a replay knows hardware again as the nest did. */
static void hide_text(nplug_report *report)
{
    char pseudonym[17];
    np_text text = np_text_in(pseudonym, sizeof pseudonym);
    size_t length = 0;

    if (report->kind != NPLUG_REPORT_TEXT) return;
    if (report->signal != NPLUG_TEXT_SERIAL && report->signal != NPLUG_TEXT_UNIT) return;
    while (length < sizeof report->data.text && report->data.text[length])
        length++;
    if (length == 0) return;
    np_text_add_hex(&text, np_hash(NP_HASH_START, report->data.text, length), 16);
    memcpy(report->data.text, pseudonym, sizeof report->data.text);
}

/* The key that a signal is by its code, whether a wire reads it or not; 0 for none. */
static nplug_control key_of(const np_signal *signal)
{
    if (signal->space == NPLUG_SPACE_HID && signal->code >> 16 == 7)
        return NPLUG_CONTROL(NPLUG_CLASS_KEY, signal->code & 1023u);
    if (signal->space == NPLUG_SPACE_EVDEV && signal->code >> 16 == 1)
        return nplug_key_from_kernel(signal->code & 0xffffu);
    return 0;
}

/* The key that a signal is, by its wire or else by its code, in every code space; 0 for none. */
static nplug_control key_id(const nplug_nest *nest, uint32_t signal)
{
    np_run run = nest->device.controls.of_signal[signal];
    nplug_control id = key_of(&nest->device.devices.signals[signal]);

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
        nplug_control read = nest->device.controls.list[nest->device.controls.wires[w].control].id;
        if (NPLUG_CONTROL_CLASS(read) == NPLUG_CLASS_KEY) id = read;
    }
    return NPLUG_CONTROL_CLASS(id) == NPLUG_CLASS_KEY ? id : 0;
}

static bool is_key(const nplug_nest *nest, uint32_t signal)
{
    return !nest->recorder.all_keys && key_id(nest, signal) != 0;
}

bool np_record_hides(const nplug_nest *nest, uint32_t signal)
{
    np_run run = nest->device.controls.of_signal[signal];

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++)
        if (nest->action.sources.of_control[nest->device.controls.wires[w].control] != NP_NO_INDEX)
            return false;
    return is_key(nest, signal) &&
           np_game_source(&nest->game.game, key_id(nest, signal)) == NP_NO_INDEX;
}

/* As which signal a key that is held was recorded; NP_NONE where it is not known to be held. */
static uint32_t shown_as(const np_recorder *recorder, uint32_t signal)
{
    for (uint32_t i = 0; i < recorder->mask_count; i++)
        if (recorder->mask[i].signal == signal) return recorder->mask[i].shown;
    return NP_NONE;
}

bool np_record_masks(const nplug_nest *nest, uint32_t signal)
{
    uint32_t shown = shown_as(&nest->recorder, signal);
    return shown != NP_NONE && shown != signal;
}

/* The key that stands for a hidden one while that is held: so a replay sees that some key that the
 * game does not bind went down, but not which.  A keyboard's last keys are taken first, since those
 * are seldom bound meanwhile; of one that is only arriving, the last are not known yet. */
static uint32_t substitute(const nplug_nest *nest, const np_node *node, uint32_t signal)
{
    const np_recorder *recorder = &nest->recorder;

    for (uint32_t i = 0; i < node->signals; i++) {
        uint32_t last = node->first_signal + node->signals - 1;
        uint32_t s = node->presence == NP_ARRIVING ? node->first_signal + i : last - i;
        bool free = s != signal && np_record_hides(nest, s);
        for (uint32_t m = 0; free && m < recorder->mask_count; m++)
            free = recorder->mask[m].shown != s;
        if (free) return s;
    }
    return NP_NONE;
}

static void forget_mask(np_recorder *recorder, uint32_t signal)
{
    for (uint32_t i = 0; i < recorder->mask_count; i++)
        if (recorder->mask[i].signal == signal)
            recorder->mask[i--] = recorder->mask[--recorder->mask_count];
}

/* Whether a key's press is recorded as another's.  A pick wants the key itself: it is bound next.
 */
static bool hides_press(const nplug_nest *nest, uint32_t signal)
{
    return np_record_hides(nest, signal) && !nest->action.pick.waits;
}

/* A key is recorded as its press was, until it comes up, whatever is bound or picked meanwhile.
 * Where too many are held at once, a signal that is none stands for a hidden key: the report stays,
 * since it may end a group. */
static void record_key(nplug_nest *nest, nplug_report *report, uint32_t signal)
{
    const np_node *node = &nest->device.devices.nodes[nest->device.devices.signals[signal].node];
    np_recorder *recorder = &nest->recorder;
    uint32_t shown = shown_as(recorder, signal);
    bool room = recorder->mask_count < NP_RECORD_MASKS;

    if (shown == NP_NONE) {
        shown = !hides_press(nest, signal) ? signal
                : room                     ? substitute(nest, node, signal)
                                           : NP_NONE;
        if (report->data.value != 0 && room && shown != NP_NONE) {
            recorder->mask[recorder->mask_count].signal = signal;
            recorder->mask[recorder->mask_count++].shown = shown;
        }
    }
    if (report->data.value == 0) forget_mask(recorder, signal);
    report->signal = shown == NP_NONE ? UINT16_MAX : (uint16_t)(shown - node->first_signal);
}

static void forget_masks_of(nplug_nest *nest, uint32_t node)
{
    np_recorder *recorder = &nest->recorder;

    for (uint32_t i = 0; i < recorder->mask_count; i++)
        if (nest->device.devices.signals[recorder->mask[i].signal].node == node)
            recorder->mask[i--] = recorder->mask[--recorder->mask_count];
}

/* --- records -------------------------------------------------------------------------------- */

void np_record_report(nplug_nest *nest, uint32_t port, const nplug_report *report, uint32_t signal)
{
    nplug_record record = {0};
    uint32_t node;

    record.kind = NPLUG_RECORD_REPORT;
    record.port = (uint8_t)port;
    record.data.report = *report;
    hide_text(&record.data.report);
    if (report->kind == NPLUG_REPORT_DEPART) {
        node = np_devices_node(&nest->device.devices, port << 24 | report->device);
        if (node != NP_NONE) forget_masks_of(nest, node);
    }
    if (signal != NP_NONE && is_key(nest, signal)) record_key(nest, &record.data.report, signal);
    keep(&nest->recorder, &record);
}

void np_record_command(nplug_nest *nest, const nplug_command *command)
{
    nplug_record record = {0};

    if (nest->recorder.size == 0) return;
    record.kind = NPLUG_RECORD_COMMAND;
    record.data.command = *command;
    keep(&nest->recorder, &record);
}

void np_record_step(nplug_nest *nest, nplug_time time)
{
    nplug_record record = {0};

    if (nest->recorder.size == 0) return;
    record.kind = NPLUG_RECORD_STEP;
    record.data.step = time;
    keep(&nest->recorder, &record);
}

size_t np_record_give(np_recorder *recorder, nplug_record *records, size_t max)
{
    size_t taken = 0;

    for (; taken < max && recorder->count; taken++) {
        records[taken] = recorder->list[recorder->first];
        recorder->first = (recorder->first + 1) % recorder->size;
        recorder->count--;
    }
    return taken;
}
