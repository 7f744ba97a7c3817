#include "trace_format.h"
#include "aids/words.h"

const char *const nf_says[NP_REPORT_KINDS] = {NA_REPORT_KIND_WORDS};

const char *const nf_commands[NP_COMMAND_KINDS] = {NA_COMMAND_KIND_WORDS};

#define OF_REPORT(name, member, size)                                                              \
    {                                                                                              \
        name, offsetof(nplug_report, member), size                                                 \
    }
#define OF_COMMAND(name, member, size)                                                             \
    {                                                                                              \
        name, offsetof(nplug_command, member), size                                                \
    }
#define OF_LIMIT(member)                                                                           \
    {                                                                                              \
#member, offsetof(nplug_limits, member), 4                                                 \
    }

const nf_number nf_report_numbers[] = {
    OF_REPORT("t", time, 8),
    OF_REPORT("device", device, 4),
    OF_REPORT("signal", signal, 2),
    OF_REPORT("flags", flags, 1),
};
const size_t nf_report_number_count = NF_COUNT(nf_report_numbers);

static const nf_number value_numbers[] = {OF_REPORT("value", data.value, -4)};
static const nf_number arrive_numbers[] = {
    OF_REPORT("bus", data.arrive.bus, 2),
    OF_REPORT("vendor", data.arrive.vendor, 2),
    OF_REPORT("product", data.arrive.product, 2),
    OF_REPORT("version", data.arrive.version, 2),
    OF_REPORT("signals", data.arrive.signals, 2),
    OF_REPORT("times", data.arrive.times, 1),
    OF_REPORT("unreadable", data.arrive.unreadable, 1),
    OF_REPORT("properties", data.arrive.properties, 4),
};
static const nf_number signal_numbers[] = {
    OF_REPORT("code", data.signal.code, 4),     OF_REPORT("min", data.signal.min, -4),
    OF_REPORT("max", data.signal.max, -4),      OF_REPORT("space", data.signal.space, 1),
    OF_REPORT("nature", data.signal.nature, 1),
};
static const nf_number detail_numbers[] = {
    OF_REPORT("flat", data.detail.flat, -4),
    OF_REPORT("fuzz", data.detail.fuzz, -4),
    OF_REPORT("resolution", data.detail.resolution, -4),
};

const nf_number *nf_kind_numbers(unsigned kind, size_t *count)
{
    switch (kind) {
    case NPLUG_REPORT_VALUE:
    case NPLUG_REPORT_FOCUS:
    case NPLUG_REPORT_BATTERY:
    case NPLUG_REPORT_LABEL:
    case NPLUG_REPORT_AWAKE:
        *count = NF_COUNT(value_numbers);
        return value_numbers;
    case NPLUG_REPORT_ARRIVE:
        *count = NF_COUNT(arrive_numbers);
        return arrive_numbers;
    case NPLUG_REPORT_SIGNAL:
        *count = NF_COUNT(signal_numbers);
        return signal_numbers;
    case NPLUG_REPORT_DETAIL:
        *count = NF_COUNT(detail_numbers);
        return detail_numbers;
    default:
        *count = 0;
        return NULL;
    }
}

const nf_number nf_command_numbers[] = {
    OF_COMMAND("device", device, 4), OF_COMMAND("player", player, 4),
    OF_COMMAND("number", number, 4), OF_COMMAND("strong", strong, 2),
    OF_COMMAND("weak", weak, 2),     OF_COMMAND("control", control, 2),
    OF_COMMAND("on", on, 2),
};
const size_t nf_command_number_count = NF_COUNT(nf_command_numbers);

const nf_number nf_limit_numbers[] = {
    OF_LIMIT(devices),  OF_LIMIT(nodes),      OF_LIMIT(signals), OF_LIMIT(controls),
    OF_LIMIT(links),    OF_LIMIT(players),    OF_LIMIT(actions), OF_LIMIT(bindings),
    OF_LIMIT(sources),  OF_LIMIT(events),     OF_LIMIT(timers),  OF_LIMIT(commands),
    OF_LIMIT(ports),    OF_LIMIT(ring_slots), OF_LIMIT(rules),   OF_LIMIT(shapings),
    OF_LIMIT(gestures), OF_LIMIT(text),       OF_LIMIT(ramps),   OF_LIMIT(records),
    OF_LIMIT(zones),    OF_LIMIT(contacts),
};
const size_t nf_limit_number_count = NF_COUNT(nf_limit_numbers);
