#include "describe.h"
#include "labels.h"
#include "pictures.h"
#include "tool.h"
#include <stdio.h>
#include <stdlib.h>

/* What was asked for, and what was found beside the notes of the file. */
typedef struct findings {
    int json, access, prompts;
    char *pictures, *layout;
    json_t *more; /* texts */
    bool failed;  /* something could not be looked at */
} findings;

/* --- told ----------------------------------------------------------------------------------------
 */

static json_t *json_of(const nplug_notes *notes, uint32_t i)
{
    const nplug_note *note = &notes->note[i];
    return json_pack("{s:s, s:i, s:i, s:b, s:s}", "file", notes->file, "line", (int)note->line,
                     "column", (int)note->column, "error", !note->warning, "text", note->text);
}

static void print_json(const findings *found, const nplug_notes *notes)
{
    json_t *list = json_array(), *text;
    size_t at;

    for (uint32_t i = 0; i < notes->count; i++)
        json_array_append_new(list, json_of(notes, i));
    json_array_foreach(found->more, at, text)
        json_array_append_new(list, json_pack("{s:s, s:i, s:i, s:b, s:O}", "file", notes->file,
                                              "line", 0, "column", 0, "error", 0, "text", text));
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

static void print_text(const findings *found, const nplug_notes *notes, const nplug_game *game)
{
    char line[600];
    json_t *text;
    size_t at;

    for (uint32_t i = 0; i < notes->count; i++) {
        nplug_note_text(notes, i, line, sizeof line);
        printf("%s\n", line);
    }
    if (notes->more) printf("%s: and %u more\n", notes->file, notes->more);
    json_array_foreach(found->more, at, text)
        printf("%s: warning: %s\n", notes->file, json_string_value(text));
    if (!game) return;
    if (notes->count == 0 && json_array_size(found->more) == 0 && !found->failed)
        printf("%s: %u actions in %u layers, nothing found wrong\n", notes->file,
               game->action_count, game->layer_count ? game->layer_count : 1);
    print_needs(game);
}

/* --- looked for ----------------------------------------------------------------------------------
 */

static void keep(void *user, const char *text)
{
    json_array_append_new(((findings *)user)->more, json_string(text));
}

static void look_at_prompts(findings *found, const nplug_game *game)
{
    void *labels = found->layout ? labels_open(found->layout) : NULL;
    desks all;

    found->failed |= found->layout && !labels;
    if (desks_open(&all, game, labels)) {
        if (found->prompts) pictures_guesses(&all, keep, found);
        if (found->pictures) found->failed |= !pictures_missing(&all, found->pictures, keep, found);
    }
    desks_close(&all);
    labels_close(labels);
}

static int check(findings *found, const char *path)
{
    nplug_game_file *file = NULL;
    nplug_notes notes;
    nplug_result result = nplug_game_file_read(path, &file, &notes);
    bool right;

    if (result == NPLUG_ERR_NO_FILE) {
        tool_notes(&notes);
        return TOOL_WRONG;
    }
    if (result == NPLUG_OK) {
        nplug_game_file_check(file, found->access != 0, &notes);
        if (found->prompts || found->pictures) look_at_prompts(found, nplug_game_file_game(file));
    }
    if (found->json)
        print_json(found, &notes);
    else
        print_text(found, &notes, nplug_game_file_game(file));
    nplug_game_file_free(file);
    right = notes.count == 0 && json_array_size(found->more) == 0 && !found->failed;
    return right ? TOOL_DONE : TOOL_WRONG;
}

static int run(const tool_command *command, int argc, const char **argv)
{
    findings found = {.more = json_array()};
    const char *path;
    int status;
    struct poptOption options[] = {
        {"access", 0, POPT_ARG_NONE, &found.access, 0,
         "Also tell actions that need several controls at once, rapid taps or a long hold and have "
         "no simpler way",
         NULL},
        {"prompts", 0, POPT_ARG_NONE, &found.prompts, 0,
         "Also tell actions that show nothing with some sort of device, and prompts that are "
         "guesses",
         NULL},
        {"layout", 0, POPT_ARG_STRING, &found.layout, 0,
         "For --prompts: keys as a keyboard layout of this system has them", "LAYOUT"},
        {"pictures", 0, POPT_ARG_STRING, &found.pictures, 0,
         "Also tell which pictures of prompts a set lacks, or has twice: a folder (NAME.png), or "
         "what prompts --atlas wrote (NAME.json)",
         "SET"},
        {"json", 0, POPT_ARG_NONE, &found.json, 0, "Print a JSON array", NULL},
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &path);
    if (status < 0) status = check(&found, path);
    json_decref(found.more);
    free(found.pictures);
    free(found.layout);
    return status;
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
