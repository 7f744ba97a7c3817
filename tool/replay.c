#include "describe.h"
#include "hardware.h"
#include <inttypes.h>
#include <stdio.h>
#include <stdlib.h>

static void print_digest(const nplug_nest *nest, uint64_t digest, bool json)
{
    char hex[24];

    snprintf(hex, sizeof hex, "%016" PRIx64, digest);
    if (json)
        describe_print(
            json_pack("{s:I, s:s}", "t", (json_int_t)nplug_nest_time(nest), "digest", hex), false);
    else
        printf("%12" PRIu64 "  %s\n", nplug_nest_time(nest), hex);
}

static void print_summary(const nplug_nest *nest, unsigned long steps, bool json)
{
    char hex[24];

    NPLUG_SIZED(nplug_counts, counts);
    nplug_nest_counts(nest, &counts);

    snprintf(hex, sizeof hex, "%016" PRIx64, nplug_digest(nest));
    if (json)
        describe_print(json_pack("{s:I, s:I, s:I, s:s}", "steps", (json_int_t)steps, "reports",
                                 (json_int_t)counts.reports, "t", (json_int_t)nplug_nest_time(nest),
                                 "digest", hex),
                       false);
    else
        printf("%lu steps, %llu reports, up to %.6f s: digest %s\n", steps,
               (unsigned long long)counts.reports, (double)nplug_nest_time(nest) / 1e6, hex);
}

static int run(const tool_command *command, int argc, const char **argv)
{
    int json = 0, digest = 0, status;
    const char *path;
    char port[4096];
    unsigned long steps = 0;
    hardware hw = {0};
    struct poptOption options[] = {
        {"digest", 0, POPT_ARG_NONE, &digest, 0, "Print the digest of all state after every step",
         NULL},
        {"game", 0, POPT_ARG_STRING, &hw.game_path, 0, HARDWARE_GAME_HELP, "FILE"},
        {"sheet", 0, POPT_ARG_STRING, &hw.sheet, 0, HARDWARE_SHEET_HELP, "FILE"},
        {"json", 0, POPT_ARG_NONE, &json, 0, "Print a JSON object a line", NULL},
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &path);
    if (status < 0) {
        snprintf(port, sizeof port, "trace:%s", path);
        status = hardware_open(&hw, command, port, 60, 0);
    }
    if (status >= 0) return status;
    for (; hardware_next(&hw); steps++)
        if (digest) print_digest(hw.nest, nplug_digest(hw.nest), json);
    print_summary(hw.nest, steps, json);
    return hardware_close(&hw);
}

const tool_command tool_replay = {"replay",
                                  "[OPTIONS] TRACE",
                                  "Replays a recorded trace",
                                  "The same trace has the same digests on every machine.",
                                  TOOL_MUST,
                                  run};
