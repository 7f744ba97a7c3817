#include "describe.h"
#include "hardware.h"
#include <stdio.h>
#include <stdlib.h>

static void print_row(const nplug_nest *nest, nplug_device device)
{
    NPLUG_SIZED(nplug_device_facts, info);
    char bus[16], players[64];

    if (nplug_device_info(nest, device, &info) != NPLUG_OK) return;
    describe_players(info.players, players, sizeof players);
    printf("%-6x %-24.24s %-10s %-15s %-10s %3u %3u\n", device, info.name,
           nplug_kind_name(info.kind), *info.family ? info.family : "-", players, info.signals,
           info.controls);
    printf("       %s, %04x:%04x", describe_bus(info.bus, bus, sizeof bus), info.vendor,
           info.product);
    if (*info.sheet) printf(", sheet %s by %s", info.sheet, nplug_matched_name(info.matched));
    printf("%s\n", info.unreadable ? ", no permission" : info.asleep ? ", asleep" : "");
}

static void print_table(const nplug_nest *nest)
{
    uint32_t unrecognised = 0, unreadable = 0, asleep = 0;

    printf("%-6s %-24s %-10s %-15s %-10s %3s %3s\n", "ID", "NAME", "KIND", "FAMILY", "PLAYERS",
           "SIG", "CTL");
    for (uint32_t i = 0; i < nplug_device_count(nest); i++) {
        NPLUG_SIZED(nplug_device_facts, info);
        nplug_device_info(nest, nplug_device_at(nest, i), &info);
        if (info.matched == NPLUG_MATCHED_NONE) unrecognised++;
        if (info.unreadable) unreadable++;
        if (info.asleep) asleep++;
        print_row(nest, info.device);
    }
    printf("\n%u here, %u of them recognised.\n", nplug_device_count(nest),
           nplug_device_count(nest) - unrecognised);
    if (unreadable)
        printf(
            "%u may not be read: join the group that owns /dev/input (often \"input\"),\nor give "
            "an access rule.\n",
            unreadable);
    if (asleep)
        printf("%u connected and asleep: nothing that is done with them is heard. Put the\nheadset "
               "on, or wake them.\n",
               asleep);
    if (unrecognised)
        printf("What is not recognised has no controls; its signals can be read all the same\n"
               "(--json). Why it was not: nestplug explain. To make it known: nestplug learn.\n");
}

/* The first that a new user reads, where there is nothing to show: why, and what to do. */
static const char *why_empty(const hardware *hw)
{
    NPLUG_SIZED(nplug_linux_facts, info);

    if (nplug_linux_info(hw->real, &info) != NPLUG_OK) return "";
    if (!info.has_folder)
        return "This machine has no /dev/input: its kernel offers no input devices here. So it is "
               "in\n"
               "most containers. Run this where /dev/input is, or play simulated hardware with\n"
               "--port sim:TRACE.";
    if (info.passed_over)
        return "There are only keyboards and mice, which this port reads if it is asked to.";
    return "Nothing is plugged in. Plug a pad in, or wake it by one of its buttons, and look "
           "again;\n"
           "--for 30 waits half a minute for it.";
}

/* Keyboards and mice alone are nearly always there. */
static void tell_no_pad(const nplug_nest *nest)
{
    bool others = false;

    for (uint32_t i = 0; i < nplug_device_count(nest); i++) {
        NPLUG_SIZED(nplug_device_facts, info);
        nplug_device_info(nest, nplug_device_at(nest, i), &info);
        others |= info.kind != NPLUG_KIND_KEYBOARD && info.kind != NPLUG_KIND_MOUSE;
    }
    if (!others && nplug_device_count(nest))
        printf("Only keyboards and mice are here. A pad that is plugged in and not listed may be "
               "asleep: press one of its buttons and look again.\n");
}

static json_t *all_devices(const nplug_nest *nest)
{
    json_t *list = json_array();

    for (uint32_t i = 0; i < nplug_device_count(nest); i++)
        json_array_append_new(list, describe_device(nest, nplug_device_at(nest, i)));
    return list;
}

static int run(const tool_command *command, int argc, const char **argv)
{
    char *port = NULL;
    int json = 0, status;
    double at = HARDWARE_NO_TIME;
    const char *rest;
    hardware hw = {.seconds = 0.5, .any_game = true};
    struct poptOption options[] = {
        {"port", 0, POPT_ARG_STRING, &port, 0, HARDWARE_PORT_HELP, "PORT"},
        {"at", 0, POPT_ARG_DOUBLE, &at, 0,
         "Show what is here at that time of the trace "
         "(default: at its end)",
         "SECONDS"},
        {"for", 0, POPT_ARG_DOUBLE, &hw.seconds, 0,
         "With --port linux: look for so long (default: 0.5)", "SECONDS"},
        HARDWARE_FILES(hw),
        {"settings", 0, POPT_ARG_STRING, &hw.settings, 0, HARDWARE_SETTINGS_HELP, "FILE"},
        {"json", 0, POPT_ARG_NONE, &json, 0, "Print an array of objects", NULL},
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &rest);
    if (status < 0) status = hardware_check_time(command, "--at", at);
    if (status < 0) status = hardware_open(&hw, command, port, 60, 0);
    free(port);
    if (status >= 0) return status;
    while (at < 0.0 || (double)hw.now <= at * 1e6)
        if (!hardware_next(&hw)) break;
    if (json)
        describe_print(all_devices(hw.nest), true);
    else if (hw.real && nplug_device_count(hw.nest) == 0)
        printf("%s\n", why_empty(&hw));
    else
        print_table(hw.nest);
    if (!json && hw.real) tell_no_pad(hw.nest);
    return hardware_close(&hw);
}

const tool_command tool_devices = {
    "devices",
    "--port PORT [OPTIONS]",
    "Lists the devices that are here, and what each was recognised as",
    "SIG and CTL count a device's raw signals and the controls that they became.",
    TOOL_NEVER,
    run};
