/* What the game may ask about devices.
 *
 * Owns nothing.  Comes in: a device's handle.  Goes out: what is known of it, its signals,
 * controls, prints, calibration. */
#include "core/calls/calls.h"
#include "nestplug/calibrate.h"
#include <string.h>

uint32_t nplug_device_count(const nplug_nest *nest)
{
    return nest ? nest->device.devices.count : 0;
}

nplug_device nplug_device_at(const nplug_nest *nest, uint32_t index)
{
    if (!nest || index >= nest->device.devices.count) return 0;
    return np_devices_handle(&nest->device.devices, nest->device.devices.order[index]);
}

static nplug_result gone_or_unknown(const nplug_nest *nest, nplug_device device)
{
    nplug_result result = np_devices_check(&nest->device.devices, device);
    return result == NPLUG_OK ? NPLUG_ERR_UNKNOWN : result;
}

static bool is_stale(const nplug_nest *nest, const np_device *device)
{
    bool stale = false;

    for (uint32_t at = device->first_node; at != NP_NONE; at = nest->device.devices.nodes[at].next)
        stale |= nest->device.devices.nodes[at].stale != 0;
    return stale;
}

static nplug_time last_of(const nplug_nest *nest, const np_device *device)
{
    nplug_time last = 0;

    for (uint32_t at = device->first_node; at != NP_NONE; at = nest->device.devices.nodes[at].next)
        if (nest->device.devices.nodes[at].last > last) last = nest->device.devices.nodes[at].last;
    return last;
}

static void fill_presence(const nplug_nest *nest, uint32_t index, nplug_device_facts *info)
{
    info->last = last_of(nest, &nest->device.devices.list[index]);
    info->present = true;
    info->signals = np_devices_signal_count(&nest->device.devices, index);
    info->controls = nest->device.controls.of_device[index].count;
    info->players = np_players_of(&nest->player.players, index) >> 1;
    info->battery_percent = nest->device.devices.list[index].battery;
    info->asleep = nest->device.devices.list[index].asleep;
    info->charging = nest->device.devices.list[index].charging;
    info->ignored = nest->player.players.parts[index].ignored;
    info->duplicate = np_duplicates_of(&nest->device.duplicates, info->device);
    info->resyncing = is_stale(nest, &nest->device.devices.list[index]);
}

static void fill_recognition(const np_recognition *recognition, nplug_device_facts *info)
{
    info->kind = recognition->kind;
    info->family = recognition->prints ? recognition->prints->family : "";
    info->sheet = recognition->sheet ? recognition->sheet->name : "";
    info->matched = recognition->matched;
}

nplug_result nplug_device_info(const nplug_nest *nest, nplug_device device,
                               nplug_device_facts *facts)
{
    nplug_device_facts info = {0};
    const np_device *about;
    uint32_t index;

    if (!nest || !facts) return NPLUG_ERR_ARGUMENT;
    index = np_devices_index(&nest->device.devices, device);
    if (index == NP_NONE) return gone_or_unknown(nest, device);
    about = &nest->device.devices.list[index];
    info.device = device;
    memcpy(info.name, about->name, sizeof info.name);
    info.bus = about->bus;
    info.vendor = about->vendor;
    info.product = about->product;
    info.version = about->version;
    info.times = about->times;
    info.unreadable = about->unreadable;
    info.rumbles = (about->abilities & NPLUG_ABILITY_RUMBLE) != 0;
    info.lights = (about->abilities & NPLUG_ABILITY_LIGHTS) != 0;
    fill_recognition(&nest->device.recogniser.of[index], &info);
    if (about->presence == NP_HERE) fill_presence(nest, index, &info);
    return np_size_give(facts, NP_FIRST(nplug_device_facts, rumbles), &info, sizeof info);
}

/* The place of a device that is here; NP_NONE, and why in *result. */
static uint32_t index_of(const nplug_nest *nest, nplug_device device, nplug_result *result)
{
    if (!nest) {
        *result = NPLUG_ERR_ARGUMENT;
        return NP_NONE;
    }
    *result = np_devices_check(&nest->device.devices, device);
    return *result == NPLUG_OK ? np_devices_index(&nest->device.devices, device) : NP_NONE;
}

static void fill_node(const nplug_nest *nest, uint32_t device, uint32_t signal,
                      nplug_signal_facts *info)
{
    const np_signal *about = &nest->device.devices.signals[signal];
    uint32_t at = nest->device.devices.list[device].first_node;

    info->flat = about->flat;
    info->fuzz = about->fuzz;
    info->resolution = about->resolution;
    info->node_kind = (nplug_device_kind)nest->device.devices.nodes[about->node].looks;
    info->chief = about->node == nest->device.recogniser.of[device].chief;
    for (info->node = 0; at != about->node; at = nest->device.devices.nodes[at].next)
        info->node++;
}

nplug_result nplug_signal_info(const nplug_nest *nest, nplug_device device, uint32_t index,
                               nplug_signal_facts *facts)
{
    const np_devices *devices = nest ? &nest->device.devices : NULL;
    nplug_signal_facts info = {0};
    nplug_result result;
    uint32_t place = index_of(nest, device, &result), signal;

    if (place == NP_NONE || !facts) return facts ? result : NPLUG_ERR_ARGUMENT;
    signal = np_devices_signal(devices, place, index);
    if (signal == NP_NONE) return NPLUG_ERR_UNKNOWN;
    info.space = devices->signals[signal].space;
    info.code = devices->signals[signal].code;
    info.nature = devices->signals[signal].nature;
    info.min = devices->signals[signal].min;
    info.max = devices->signals[signal].max;
    info.raw = devices->raw[signal];
    info.heard = !(devices->flags[signal] & NP_SIGNAL_SILENT);
    info.read = nest->device.controls.of_signal[signal].count != 0;
    fill_node(nest, place, signal, &info);
    return np_size_give(facts, NP_FIRST(nplug_signal_facts, reserved), &info, sizeof info);
}

/* The wires of a device's signal. */
static np_run wires_of(const nplug_nest *nest, nplug_device device, uint32_t index)
{
    np_run none = {0};
    nplug_result result;
    uint32_t place = index_of(nest, device, &result), signal;

    if (place == NP_NONE) return none;
    signal = np_devices_signal(&nest->device.devices, place, index);
    return signal == NP_NONE ? none : nest->device.controls.of_signal[signal];
}

uint32_t nplug_signal_control_count(const nplug_nest *nest, nplug_device device, uint32_t index)
{
    return wires_of(nest, device, index).count;
}

nplug_control nplug_signal_control_at(const nplug_nest *nest, nplug_device device, uint32_t index,
                                      uint32_t nth)
{
    np_run run = wires_of(nest, device, index);

    if (nth >= run.count) return 0;
    return nest->device.controls.list[nest->device.controls.wires[run.first + nth].control].id;
}

/* Which signals of the device feed a control, by component. */
static void find_signals(const nplug_nest *nest, uint32_t device, uint32_t control,
                         uint32_t found[2])
{
    uint32_t signal;

    found[0] = found[1] = NPLUG_NO_SIGNAL;
    for (uint32_t i = 0; (signal = np_devices_signal(&nest->device.devices, device, i)) != NP_NONE;
         i++) {
        np_run run = nest->device.controls.of_signal[signal];
        for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++) {
            const np_wire *wire = &nest->device.controls.wires[w];
            if (wire->control == control && wire->component < 2 &&
                found[wire->component] == NPLUG_NO_SIGNAL)
                found[wire->component] = i;
        }
    }
}

static const char *print_of(const nplug_nest *nest, uint32_t device, nplug_control control)
{
    const nplug_sheet *sheet = nest->device.recogniser.of[device].prints;

    for (uint32_t i = 0; sheet && i < sheet->print_count; i++)
        if (np_print_row(sheet, i)->control == control) return np_print_row(sheet, i)->text;
    return "";
}

const char *nplug_control_print(const nplug_nest *nest, nplug_device device, nplug_control control)
{
    nplug_result result;
    uint32_t place = index_of(nest, device, &result);

    return place == NP_NONE ? "" : print_of(nest, place, control);
}

const nplug_sheet *nplug_family_sheet(const nplug_nest *nest, const char *family)
{
    return nest && family ? np_recognise_family(&nest->device.recogniser, family) : NULL;
}

static void fill_flags(uint32_t flags, nplug_control_facts *info)
{
    info->down = (flags & NP_CONTROL_DOWN) != 0;
    info->spent = (flags & NP_CONTROL_SPENT) != 0;
    info->lever = (flags & NP_CONTROL_LEVER) != 0;
    info->square = (flags & NP_CONTROL_SQUARE) != 0;
    info->guess = (flags & NP_CONTROL_GUESS) != 0;
    info->lies = (flags & NP_CONTROL_LIES) != 0;
}

nplug_result nplug_control_info(const nplug_nest *nest, nplug_device device, uint32_t index,
                                nplug_control_facts *facts)
{
    nplug_control_facts info = {0};
    nplug_result result;
    uint32_t place = index_of(nest, device, &result);
    const np_control *control;

    if (place == NP_NONE || !facts) return facts ? result : NPLUG_ERR_ARGUMENT;
    if (index >= nest->device.controls.of_device[place].count) return NPLUG_ERR_UNKNOWN;
    control = &nest->device.controls.list[nest->device.controls.of_device[place].first + index];
    info.control = control->id;
    info.nature = control->nature;
    info.components = control->components;
    info.value = np_controls_value(&nest->device.controls, &nest->device.devices,
                                   (uint32_t)(control - nest->device.controls.list));
    info.print = print_of(nest, place, control->id);
    fill_flags(control->flags, &info);
    find_signals(nest, place, nest->device.controls.of_device[place].first + index, info.signal);
    return np_size_give(facts, NP_FIRST(nplug_control_facts, print), &info, sizeof info);
}

nplug_vec2 nplug_control_value(const nplug_nest *nest, nplug_device device, nplug_control control)
{
    nplug_vec2 value = {0.0f, 0.0f};
    nplug_result result;
    uint32_t place = index_of(nest, device, &result), found;

    if (place == NP_NONE) return value;
    found = np_controls_find(&nest->device.controls, place, control);
    if (found == NP_NONE) return value;
    return np_controls_value(&nest->device.controls, &nest->device.devices, found);
}

size_t nplug_key_label(const nplug_nest *nest, nplug_device device, nplug_control key, char *buffer,
                       size_t size)
{
    nplug_result result;
    uint32_t place = index_of(nest, device, &result);
    char name[64];
    size_t length;
    np_text text = np_text_in(buffer, buffer ? size : 0);

    if (place == NP_NONE || NPLUG_CONTROL_CLASS(key) != NPLUG_CLASS_KEY) return 0;
    length = np_hotplug_key_label(nest, place, key, buffer, size);
    if (length) return length;
    length = nplug_control_name(key, name, sizeof name);
    if (length <= 4) return 0;
    np_text_add(&text, name + 4);
    return text.length;
}

nplug_result nplug_use_key_labels(nplug_nest *nest, nplug_key_labels labels, void *user)
{
    if (!nest) return NPLUG_ERR_ARGUMENT;
    nest->key_labels = labels;
    nest->key_labels_user = user;
    nest->key_labels_due = true;
    np_nest_note_change(nest);
    return NPLUG_OK;
}

/* --- rules ---------------------------------------------------------------------------------- */

nplug_result nplug_rule_info(const nplug_nest *nest, nplug_device device, uint32_t index,
                             nplug_rule_facts *facts)
{
    const np_recogniser *all = nest ? &nest->device.recogniser : NULL;
    nplug_rule_facts info = {0};
    const np_rule *rule;
    np_classified looks;
    nplug_result result;
    uint32_t at, chief;

    if (!nest || !facts) return NPLUG_ERR_ARGUMENT;
    at = index_of(nest, device, &result);
    if (at == NP_NONE) return result;
    chief = np_devices_chief(&nest->device.devices, at);
    if (index >= all->rule_count || chief == NP_NONE) return NPLUG_ERR_UNKNOWN;
    rule = &all->rules[index];
    looks = np_classify_by_signals(&nest->device.devices, chief);
    info.sheet = np_rule_sheet(all, rule);
    info.rule = rule->match;
    info.misfit = np_rule_misfit(np_rule_row(info.sheet, rule->match), &nest->device.devices, chief,
                                 looks, &info.code);
    info.looks = looks.kind;
    info.space = (uint16_t)looks.space;
    info.gives_wires = all->of[at].sheet == info.sheet;
    info.gives_prints = all->of[at].prints == info.sheet;
    return np_size_give(facts, NP_FIRST(nplug_rule_facts, gives_prints), &info, sizeof info);
}

const char *nplug_matched_name(uint32_t matched)
{
    static const char *const names[] = {
        "nothing",    "numbers", "numbers, any bus", "vendor and kind", "system codes",
        "HID usages", "shape"};
    return (unsigned)matched < sizeof names / sizeof *names ? names[matched] : "nothing";
}

/* --- calibration ----------------------------------------------------------------------------- */

uint64_t nplug_device_key(const nplug_nest *nest, nplug_device device)
{
    uint32_t index = nest ? np_devices_index(&nest->device.devices, device) : NP_NONE;
    return index == NP_NONE ? 0 : np_calibrate_key(&nest->device.devices.list[index]);
}

nplug_result nplug_calibration_info(const nplug_nest *nest, nplug_device device, uint32_t index,
                                    nplug_calibration_facts *facts)
{
    nplug_calibration_facts info = {0};
    nplug_result result;
    uint32_t place = index_of(nest, device, &result);

    if (place == NP_NONE || !facts) return facts ? result : NPLUG_ERR_ARGUMENT;
    if (!np_calibrate_look(&nest->device, place, index, &info)) return NPLUG_ERR_UNKNOWN;
    return np_size_give(facts, NP_FIRST(nplug_calibration_facts, sheet), &info, sizeof info);
}
