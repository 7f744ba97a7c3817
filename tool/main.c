/* The tool: finds the command, and says whether all of its output was written. */
#include "tool.h"
#include <stdio.h>
#include <string.h>

static const tool_command *const commands[] = {
    &tool_devices, &tool_watch, &tool_explain, &tool_learn,   &tool_record, &tool_replay,
    &tool_graph,   &tool_check, &tool_names,   &tool_prompts, &tool_demo};
#define COMMANDS (sizeof commands / sizeof *commands)

static int help(FILE *to)
{
    fprintf(to, "Usage: nestplug COMMAND [OPTIONS]\n\n"
                "Detects input devices, recognises them, and shows what a game would see.\n\n"
                "Commands:\n");
    for (size_t i = 0; i < COMMANDS; i++) {
        fprintf(to, "  %-9s ", commands[i]->name);
        tool_wrap(to, commands[i]->summary, 12);
    }
    fprintf(to, "\nEach has its own help: nestplug COMMAND --help\n"
                "Options here: --help, --version\n");
    return to == stdout ? TOOL_DONE : TOOL_USAGE;
}

/* For a shell that completes the line. */
static int list_commands(void)
{
    for (size_t i = 0; i < COMMANDS; i++)
        printf("%s\t%s\n", commands[i]->name, commands[i]->summary);
    return TOOL_DONE;
}

/* What could not be written was not said: that is no success. */
static int said_all(int status)
{
    if (fflush(stdout) == 0 && !ferror(stdout)) return status;
    fprintf(stderr, "nestplug: standard output cannot be written\n");
    return status == TOOL_DONE ? TOOL_WRONG : status;
}

static int run(int argc, char **argv)
{
    if (argc < 2) return help(stderr);
    if (strcmp(argv[1], "--help") == 0 || strcmp(argv[1], "-h") == 0) return help(stdout);
    if (strcmp(argv[1], "--list-commands") == 0) return list_commands();
    if (strcmp(argv[1], "--version") == 0) {
        printf("nestplug %s\n", nplug_version());
        return TOOL_DONE;
    }
    for (size_t i = 0; i < COMMANDS; i++)
        if (strcmp(argv[1], commands[i]->name) == 0)
            return commands[i]->run(commands[i], argc - 1, (const char **)argv + 1);
    return tool_usage(NULL, "no such command: %s", argv[1]);
}

int main(int argc, char **argv)
{
    return said_all(run(argc, argv));
}
