#include "describe.h"
#include "tool.h"
#include <stdio.h>

static json_t *json_of(const nplug_notes *notes, uint32_t i)
{
    const nplug_note *note = &notes->note[i];
    return json_pack("{s:s, s:i, s:i, s:b, s:s}", "file", notes->file, "line", (int)note->line,
                     "column", (int)note->column, "error", !note->warning, "text", note->text);
}

static void print_json(const nplug_notes *notes)
{
    json_t *list = json_array();

    for (uint32_t i = 0; i < notes->count; i++)
        json_array_append_new(list, json_of(notes, i));
    describe_print(list, true);
}

/* The limits that nplug_start_game takes for it. */
static void print_needs(const nplug_game *game)
{
    nplug_limits limits = nplug_limits_for(game);

    printf("Needs, with all that %u player%s may bind and set (nplug_limits_for): bindings %u, "
           "sources %u, gestures %u, ramps %u.\n",
           limits.players, limits.players == 1 ? "" : "s", limits.bindings, limits.sources,
           limits.gestures, limits.ramps);
}

static void print_text(const nplug_notes *notes, const nplug_game *game)
{
    char line[600];

    for (uint32_t i = 0; i < notes->count; i++) {
        nplug_note_text(notes, i, line, sizeof line);
        printf("%s\n", line);
    }
    if (notes->more) printf("%s: and %u more\n", notes->file, notes->more);
    if (!game) return;
    if (notes->count == 0)
        printf("%s: %u actions in %u layers, nothing found wrong\n", notes->file,
               game->action_count, game->layer_count ? game->layer_count : 1);
    print_needs(game);
}

static int run(const tool_command *command, int argc, const char **argv)
{
    int json = 0, access = 0, status;
    nplug_game_file *file = NULL;
    nplug_notes notes;
    const char *path;
    struct poptOption options[] = {
        {"access", 0, POPT_ARG_NONE, &access, 0,
         "Also tell actions that need several controls at once, rapid taps or a long hold and have "
         "no simpler way",
         NULL},
        {"json", 0, POPT_ARG_NONE, &json, 0, "Print a JSON array", NULL},
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &path);
    if (status >= 0) return status;
    if (nplug_game_file_read(path, &file, &notes) == NPLUG_OK)
        nplug_game_file_check(file, access != 0, &notes);
    if (json)
        print_json(&notes);
    else
        print_text(&notes, nplug_game_file_game(file));
    nplug_game_file_free(file);
    return notes.count ? TOOL_WRONG : TOOL_DONE;
}

const tool_command tool_check = {
    "check",
    "[OPTIONS] GAMEFILE",
    "Looks for mistakes in a game file",
    "Finds names that are misspelt, actions that nothing can press, the same control twice in a "
    "layer,\nchords that can never win, layers that nothing switches on.  The status is 1 where "
    "anything was found.",
    TOOL_MUST,
    run};
