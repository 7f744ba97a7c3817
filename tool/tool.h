/* What the tool's commands share.  The tool uses the library's public headers only. */
#ifndef TOOL_H
#define TOOL_H

#include "nestplug/nestplug.h"
#include <popt.h>
#include <stdio.h>

/* Exit statuses. */
enum { TOOL_DONE = 0, TOOL_WRONG = 1, TOOL_USAGE = 2 };

/* Whether there is an argument beside the options. */
typedef enum tool_wants { TOOL_NEVER, TOOL_MUST, TOOL_MAY } tool_wants;

/* One command. */
typedef struct tool_command {
    const char *name;
    const char *arguments; /* "[OPTIONS] TRACE" */
    const char *summary;   /* one line */
    const char *more;      /* what --help says after the options; may be NULL */
    tool_wants wants;
    int (*run)(const struct tool_command *command, int argc, const char **argv);
} tool_command;

extern const tool_command tool_devices, tool_watch, tool_explain, tool_learn, tool_record,
    tool_replay, tool_graph, tool_check, tool_names, tool_prompts, tool_demo;

/* Ends a line of standard error with the names of the simulated models: "heron, ... are". */
void tool_models(void);

/* Parses a command's options from a popt table.  *rest is the one argument that is left (NULL where
 * there is none).  Returns -1 to go on, or the status to
 * end with: help was printed, or the call was wrong and it was said how. */
int tool_options(const tool_command *command, int argc, const char **argv,
                 struct poptOption *options, const char **rest);

/* Says on standard error what is wrong, with where help is; returns TOOL_USAGE. */
int tool_usage(const tool_command *command, const char *format, ...);

/* Prints a text in lines of at most 79 columns, each but the first after so many blanks. */
void tool_wrap(FILE *to, const char *text, int indent);

/* Prints all notes on standard error. */
void tool_notes(const nplug_notes *notes);

/* Whether a file's name has this ending (".json") and something before it. */
bool tool_ends_in(const char *path, const char *ending);

/* Whether standard output is a terminal on which a cursor can be moved. */
bool tool_screen(void);

/* Whether colour may be used on standard output: not where NO_COLOR is set. */
bool tool_colour(void);

#endif
