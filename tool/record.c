#include "hardware.h"
#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static int record(hardware *hw, const char *path)
{
    nplug_trace_writer *writer = nplug_trace_writer_open(path, hw->nest);
    nplug_result result = NPLUG_OK, end;
    unsigned long steps = 0;

    NPLUG_SIZED(nplug_counts, counts);
    if (!writer) {
        fprintf(stderr, "nestplug: %s: %s\n", path, strerror(errno));
        hardware_close(hw);
        return TOOL_WRONG;
    }
    for (; result == NPLUG_OK && hardware_next(hw); steps++)
        result = nplug_trace_writer_write(writer);
    end = nplug_trace_writer_close(writer);
    nplug_nest_counts(hw->nest, &counts);
    if (result == NPLUG_OK) result = end;
    if (result != NPLUG_OK) {
        fprintf(stderr, "nestplug: %s: %s\n", path, nplug_result_text(result));
        hardware_close(hw);
        return TOOL_WRONG;
    }
    printf("%lu steps, %llu reports recorded. Next: nestplug replay %s\n", steps,
           (unsigned long long)counts.reports, path);
    return hardware_close(hw);
}

static int run(const tool_command *command, int argc, const char **argv)
{
    char *port = NULL, *output = NULL;
    int status, rate = 60;
    const char *rest;
    hardware hw = {.any_game = true};
    struct poptOption options[] = {
        {"port", 0, POPT_ARG_STRING, &port, 0, HARDWARE_PORT_HELP, "PORT"},
        {"output", 'o', POPT_ARG_STRING, &output, 0, "The trace to write", "FILE"},
        HARDWARE_FILES(hw),
        {"for", 0, POPT_ARG_DOUBLE, &hw.seconds, 0, HARDWARE_FOR_HELP, "SECONDS"},
        {"rate", 0, POPT_ARG_INT, &rate, 0, "Steps a second (default: 60)", "N"},
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &rest);
    if (status < 0 && !output) status = tool_usage(command, "record: say where to: -o FILE");
    if (status < 0 && (rate < 1 || rate > 100000))
        status = tool_usage(command, "record: --rate takes 1 to 100000");
    if (status < 0) status = hardware_open(&hw, command, port, (unsigned)rate, 1u << 16);
    if (status < 0) status = record(&hw, output);
    free(port);
    free(output);
    return status;
}

const tool_command tool_record = {
    "record",
    "--port PORT -o FILE [OPTIONS]",
    "Records what the hardware says, to be replayed",
    "A trace holds only keys that the game binds, and no serial numbers.",
    TOOL_NEVER,
    run};
