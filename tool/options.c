/* What all commands share: their options, and what they say on standard error. */
#include "tool.h"
#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#define COLUMNS 79 /* of what is printed for people, at most */

/* A terminal that can do nothing but print lines says "dumb", or nothing at all. */
bool tool_screen(void)
{
    const char *term = getenv("TERM");

    return isatty(STDOUT_FILENO) && term && *term && strcmp(term, "dumb") != 0;
}

bool tool_colour(void)
{
    const char *none = getenv("NO_COLOR");

    return tool_screen() && !(none && *none);
}

bool tool_ends_in(const char *path, const char *ending)
{
    size_t length = strlen(path), end = strlen(ending);

    return length > end && strcmp(path + length - end, ending) == 0;
}

int tool_usage(const tool_command *command, const char *format, ...)
{
    va_list list;

    fputs("nestplug: ", stderr);
    va_start(list, format);
    vfprintf(stderr, format, list);
    va_end(list);
    fprintf(stderr, "\nTry: nestplug %s%s--help\n", command ? command->name : "",
            command ? " " : "");
    return TOOL_USAGE;
}

void tool_notes(const nplug_notes *notes)
{
    char line[600];

    for (uint32_t i = 0; i < notes->count; i++) {
        nplug_note_text(notes, i, line, sizeof line);
        fprintf(stderr, "%s\n", line);
    }
    if (notes->more) fprintf(stderr, "%s: and %u more\n", notes->file, notes->more);
}

void tool_models(void)
{
    uint32_t count;
    const nplug_sim_model *models = nplug_sim_models(&count);

    for (uint32_t i = 0; i < count; i++)
        fprintf(stderr, "%s%s", i ? i + 1 < count ? ", " : " and " : "", models[i].name);
    fprintf(stderr, " are\n");
}

void tool_wrap(FILE *to, const char *text, int indent)
{
    int column = indent;

    for (size_t length; *text; text += length + strspn(text + length, " ")) {
        length = strcspn(text, " \n");
        if (column > indent && column + 1 + (int)length > COLUMNS) {
            fprintf(to, "\n%*s", indent, "");
            column = indent;
        }
        column += fprintf(to, "%s%.*s", column > indent ? " " : "", (int)length, text);
        if (text[length] != '\n') continue;
        fprintf(to, "\n%*s", indent, "");
        column = indent;
        length++;
    }
    fputc('\n', to);
}

static void print_help(const tool_command *command, poptContext context)
{
    char summary[160];

    snprintf(summary, sizeof summary, "%s.", command->summary);
    tool_wrap(stdout, summary, 0);
    printf("\n");
    poptPrintHelp(context, stdout, 0);
    if (command->more) printf("\n");
    if (command->more) tool_wrap(stdout, command->more, 0);
}

/* For a shell that completes the line: each option, the word for its value and its meaning. */
static int list_options(const struct poptOption *options)
{
    for (; options->longName || options->shortName || options->arg; options++)
        if (options->longName)
            printf("--%s\t%s\t%s\n", options->longName,
                   options->argDescrip ? options->argDescrip : "", options->descrip);
    return TOOL_DONE;
}

int tool_options(const tool_command *command, int argc, const char **argv,
                 struct poptOption *options, const char **rest)
{
    int help = 0, code, status = -1;
    struct poptOption own[] = {{"help", 'h', POPT_ARG_NONE, &help, 0, "Show this help", NULL},
                               POPT_TABLEEND};
    struct poptOption all[] = {{NULL, 0, POPT_ARG_INCLUDE_TABLE, options, 0, "Options:", NULL},
                               {NULL, 0, POPT_ARG_INCLUDE_TABLE, own, 0, "Help:", NULL},
                               POPT_TABLEEND};
    char name[64];
    poptContext context;

    *rest = NULL;
    if (argc == 2 && strcmp(argv[1], "--list-options") == 0) return list_options(options);
    snprintf(name, sizeof name, "nestplug %s", command->name);
    argv[0] = name;
    context = poptGetContext("nestplug", argc, argv, all, 0);
    poptSetOtherOptionHelp(context, command->arguments);
    code = poptGetNextOpt(context);
    *rest = poptGetArg(context);
    if (help) {
        print_help(command, context);
        status = TOOL_DONE;
    } else if (code < -1) {
        status = tool_usage(command, "%s: %s", poptBadOption(context, POPT_BADOPTION_NOALIAS),
                            poptStrerror(code));
    } else if (command->wants == TOOL_MUST && !*rest) {
        status = tool_usage(command, "%s: an argument is missing: nestplug %s %s", command->name,
                            command->name, command->arguments);
    } else if ((command->wants == TOOL_NEVER && *rest) || poptPeekArg(context)) {
        status = tool_usage(command, "%s: one argument too many: %s", command->name,
                            command->wants ? poptPeekArg(context) : *rest);
    }
    /* The argument is argv's own, so it outlives the context. */
    for (int i = 1; *rest && i < argc; i++)
        if (strcmp(argv[i], *rest) == 0) {
            *rest = argv[i];
            break;
        }
    poptFreeContext(context);
    return status;
}
