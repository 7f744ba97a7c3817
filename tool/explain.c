#include "describe.h"
#include "hardware.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* --- which device --------------------------------------------------------------------------- */

static int fail_unknown(const nplug_nest *nest, const char *wanted)
{
    char name[80];

    fprintf(stderr, "nestplug: explain: no device \"%s\" is here.", wanted);
    if (nplug_device_count(nest)) fprintf(stderr, " These are:");
    for (uint32_t i = 0; i < nplug_device_count(nest); i++) {
        hardware_name(nest, nplug_device_at(nest, i), name, sizeof name);
        fprintf(stderr, "%s %s", i ? "," : "", name);
    }
    fprintf(stderr, "\n");
    return TOOL_WRONG;
}

/* --- as text -------------------------------------------------------------------------------- */

typedef struct story {
    bool all; /* rules that do not fit, too */
    uint32_t left_out;
    json_t *list; /* NULL: printed */
} story;

static void print_reason(void *user, const nplug_reason *reason)
{
    story *told = (story *)user;

    if (told->list) {
        json_array_append_new(told->list,
                              json_pack("{s:s, s:i, s:b, s:b, s:s}", "sheet", reason->sheet, "rule",
                                        (int)reason->rule, "fits", reason->fits, "wins",
                                        reason->wins, "text", reason->text));
        return;
    }
    if (*reason->sheet && !reason->fits && !told->all) {
        told->left_out++;
        return;
    }
    if (*reason->sheet)
        printf("  %s %-18s rule %u %s\n", reason->wins ? "->" : "  ", reason->sheet,
               reason->rule + 1, reason->text);
    else
        printf("%s\n", reason->text);
}

static void name_reader(const nplug_nest *nest, nplug_device device, uint32_t signal, char *buffer,
                        size_t size)
{
    nplug_control control;
    size_t used = 0;

    snprintf(buffer, size, "-");
    for (uint32_t i = 0; (control = nplug_signal_control_at(nest, device, signal, i)) != 0; i++) {
        const char *print = nplug_control_print(nest, device, control);
        char name[64];
        nplug_control_name(control, name, sizeof name);
        used += (size_t)snprintf(buffer + used, size - used, "%s%s%s%s", used ? ", " : "", name,
                                 *print ? " = " : "", print);
        if (used >= size) return;
    }
}

/* A device that is connected and says nothing is not broken. */
static void print_sleep(const nplug_nest *nest, nplug_device device)
{
    NPLUG_SIZED(nplug_device_facts, info);

    if (nplug_device_info(nest, device, &info) == NPLUG_OK && info.asleep)
        printf("It is connected, and %s Nothing is heard of it until it wakes.\n",
               describe_sleep(&info));
}

static void print_signals(const nplug_nest *nest, nplug_device device)
{
    NPLUG_SIZED(nplug_signal_facts, info);
    char code[64], reader[120];

    printf("\n%-22s %-8s %-8s %23s %6s %12s  %s\n", "SIGNAL", "NODE", "NATURE", "RANGE", "RES",
           "RAW", "READ BY");
    for (uint32_t i = 0; nplug_signal_info(nest, device, i, &info) == NPLUG_OK; i++) {
        nplug_code_name(info.space, info.code, code, sizeof code);
        name_reader(nest, device, i, reader, sizeof reader);
        printf("%-22s %-8s %-8s %11d %11d %6d %12d  %s\n", code, nplug_kind_name(info.node_kind),
               nplug_nature_name(info.nature), (int)info.min, (int)info.max, (int)info.resolution,
               (int)info.raw, reader);
    }
}

static int explain(const nplug_nest *nest, const char *wanted, story *told)
{
    nplug_device device = hardware_find(nest, wanted);
    char name[80];

    if (!device) return fail_unknown(nest, wanted);
    hardware_name(nest, device, name, sizeof name);
    if (!told->list) printf("%s\n\n", name);
    nplug_explain(nest, device, print_reason, told);
    if (told->list) {
        describe_print(
            json_pack("{s:o, s:O}", "device", describe_device(nest, device), "reasons", told->list),
            true);
        return TOOL_DONE;
    }
    if (told->left_out)
        printf("%u rules that do not fit are left out (--all shows them).\n", told->left_out);
    print_sleep(nest, device);
    print_signals(nest, device);
    return TOOL_DONE;
}

/* --- the command ---------------------------------------------------------------------------- */

static int run(const tool_command *command, int argc, const char **argv)
{
    char *port = NULL;
    int status, json = 0, all = 0;
    double at = HARDWARE_NO_TIME;
    const char *wanted;
    hardware hw = {.any_game = true};
    story told = {false, 0, NULL};
    struct poptOption options[] = {
        {"port", 0, POPT_ARG_STRING, &port, 0, HARDWARE_PORT_HELP, "PORT"},
        {"at", 0, POPT_ARG_DOUBLE, &at, 0, "Look at this time (default: the end of the trace)",
         "SECONDS"},
        HARDWARE_FILES(hw),
        {"settings", 0, POPT_ARG_STRING, &hw.settings, 0, HARDWARE_SETTINGS_HELP, "FILE"},
        {"all", 0, POPT_ARG_NONE, &all, 0, "Show rules that do not fit, too", NULL},
        {"json", 0, POPT_ARG_NONE, &json, 0, "Print JSON", NULL},
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &wanted);
    hw.seconds = at > 0.0 ? at : 1.0;
    if (status < 0) status = hardware_check_time(command, "--at", at);
    if (status < 0) status = hardware_open(&hw, command, port, 60, 0);
    free(port);
    if (status >= 0) return status;
    while ((at < 0.0 || (double)hw.now < at * 1e6) && hardware_next(&hw))
        continue;
    told.all = all != 0;
    if (json) told.list = json_array();
    status = explain(hw.nest, wanted, &told);
    if (json) json_decref(told.list);
    if (status != TOOL_DONE) {
        hardware_close(&hw);
        return status;
    }
    return hardware_close(&hw);
}

const tool_command tool_explain = {
    "explain",
    "--port PORT [OPTIONS] DEVICE",
    "Says why a device was recognised as what it is, or was not, and what to do",
    "DEVICE is its id (as nestplug devices shows it), its name, or its sheet's name.",
    TOOL_MUST,
    run};
