/* What all commands share: their options, and what they say on standard error. */
#include "tool.h"
#include <stdarg.h>
#include <stdio.h>
#include <string.h>
#include <unistd.h>

bool tool_colour(void)
{
    return isatty(STDOUT_FILENO) != 0;
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

static void print_help(const tool_command *command, poptContext context)
{
    printf("%s.\n\n", command->summary);
    poptPrintHelp(context, stdout, 0);
    if (command->more) printf("\n%s\n", command->more);
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
