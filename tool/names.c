#include "tool.h"
#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static int write_header(const char *path, bool tables, const char *to)
{
    int status = TOOL_DONE;
    nplug_game_file *file;
    nplug_notes notes;

    if (nplug_game_file_read(path, &file, &notes) != NPLUG_OK) {
        tool_notes(&notes);
        return TOOL_WRONG;
    }
    if (nplug_game_file_write_c(file, tables, to) != NPLUG_OK) {
        fprintf(stderr, "nestplug: cannot write %s: %s\n", to ? to : "it", strerror(errno));
        status = TOOL_WRONG;
    }
    nplug_game_file_free(file);
    return status;
}

static int run(const tool_command *command, int argc, const char **argv)
{
    int tables = 0, status;
    const char *path;
    char *to = NULL;
    struct poptOption options[] = {
        {"output", 'o', POPT_ARG_STRING, &to, 0, "Where to write it; standard output else", "FILE"},
        {"tables", 0, POPT_ARG_NONE, &tables, 0,
         "Write the whole game as const tables, too: the program then needs no file", NULL},
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &path);
    if (status < 0) status = write_header(path, tables != 0, to);
    free(to);
    return status;
}

const tool_command tool_names = {
    "names",
    "[OPTIONS] GAMEFILE",
    "Writes a C header with the numbers of a game's actions",
    "The header holds a digest of the names, which nplug_use_game compares: numbers of an older "
    "file are refused.",
    TOOL_MUST,
    run};
