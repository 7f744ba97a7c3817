#include "atlas.h"
#include "describe.h"
#include "desks.h"
#include "labels.h"
#include "speech.h"
#include "width.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* --- the table ----------------------------------------------------------------------------------
 */

static size_t text_at(const desks *all, size_t desk, uint32_t action, char *text, size_t size)
{
    NPLUG_SIZED(nplug_prompt, prompt);

    desks_ask(all, desk, action, &prompt);
    return nplug_prompt_text(&prompt, false, text, size);
}

/* A column is as wide as its widest prompt. */
static int column_of(const desks *all, size_t desk)
{
    int widest = width_of(desks_name(all, desk));

    for (uint32_t a = 0; a < nplug_action_count(all->nests[0]); a++) {
        char text[200];
        text_at(all, desk, a, text, sizeof text);
        if (width_of(text) > widest) widest = width_of(text);
    }
    return widest + 1;
}

/* The names of the actions are the first column. */
static int first_column(const nplug_nest *nest)
{
    int widest = 7;

    for (uint32_t a = 0; a < nplug_action_count(nest); a++)
        if (width_of(nplug_action_name(nest, a)) >= widest)
            widest = width_of(nplug_action_name(nest, a)) + 1;
    return widest;
}

static void print_table(const desks *all)
{
    int widths[DESKS + 1], first = first_column(all->nests[0]);
    char text[200];

    width_print("ACTION", first);
    for (size_t d = 0; d < desks_count(all); d++) {
        widths[d] = column_of(all, d);
        putchar(' ');
        width_print(desks_name(all, d), widths[d]);
    }
    putchar('\n');
    for (uint32_t a = 0; a < nplug_action_count(all->nests[0]); a++) {
        width_print(nplug_action_name(all->nests[0], a), first);
        for (size_t d = 0; d < desks_count(all); d++) {
            putchar(' ');
            width_print(text_at(all, d, a, text, sizeof text) ? text : "-", widths[d]);
        }
        putchar('\n');
    }
    printf("\n- : the action cannot be done with that, so nothing is shown, and takes no room.\n");
}

/* --- the same as JSON ----------------------------------------------------------------------------
 */

static json_t *parts_of(const nplug_prompt *prompt)
{
    json_t *list = json_array();

    for (uint32_t i = 0; i < prompt->count; i++) {
        const nplug_prompt_part *part = &prompt->parts[i];
        char control[64] = "";
        nplug_control_name(part->control, control, sizeof control);
        json_array_append_new(
            list, json_pack("{s:s, s:s, s:s, s:s, s:s, s:s, s:b, s:s}", "control", control, "way",
                            nplug_way_name(part->way), "role", nplug_prompt_role_name(part->role),
                            "picture", part->picture, "label", part->label, "words", part->words,
                            "right-to-left", part->flags & NPLUG_PROMPT_FLAG_RIGHT_TO_LEFT ? 1 : 0,
                            "certain", nplug_certainty_name(part->certain)));
    }
    return list;
}

static json_t *row_of(const desks *all, size_t desk, uint32_t action)
{
    NPLUG_SIZED(nplug_prompt, prompt);
    char brief[200] = "", full[300] = "";

    desks_ask(all, desk, action, &prompt);
    nplug_prompt_text(&prompt, false, brief, sizeof brief);
    nplug_prompt_text(&prompt, true, full, sizeof full);
    return json_pack("{s:s, s:s, s:s, s:s, s:s, s:s, s:s, s:o}", "action",
                     nplug_action_name(all->nests[0], action), "with", desks_name(all, desk),
                     "family", prompt.family, "gesture", nplug_gesture_name(prompt.gesture), "text",
                     brief, "words", full, "certain", nplug_certainty_name(prompt.certain), "parts",
                     parts_of(&prompt));
}

static void print_json(const desks *all)
{
    json_t *list = json_array();

    for (uint32_t a = 0; a < nplug_action_count(all->nests[0]); a++)
        for (size_t d = 0; d < desks_count(all); d++)
            json_array_append_new(list, row_of(all, d, a));
    describe_print(list, true);
}

/* --- the command ---------------------------------------------------------------------------------
 */

/* What was asked for. */
typedef struct wishes {
    char *layout, *language, *family;
    atlas_wishes atlas;
    int json;
} wishes;

/* The table, or the pictures. */
static int show(const wishes *asked, const nplug_game *game, void *labels,
                const nplug_language *language)
{
    desks all;
    int status = TOOL_DONE;
    bool known = true;

    if (!desks_open(&all, game, labels)) {
        status = TOOL_WRONG;
    } else {
        all.language = language;
        known = !asked->family || desks_ask_for(&all, asked->family);
        if (asked->atlas.path)
            status = atlas_write(&all, &asked->atlas);
        else if (asked->json)
            print_json(&all);
        else
            print_table(&all);
    }
    desks_close(&all);
    return known ? status : TOOL_WRONG;
}

/* A layout or a language that nobody knows is said; prompts do without. */
static int show_file(const wishes *asked, const char *path)
{
    void *labels = asked->layout ? labels_open(asked->layout) : NULL;
    bool known = !asked->layout || labels;
    nplug_game_file *file;
    nplug_notes notes;
    speech spoken;
    int status;

    known &= speech_open(&spoken, asked->language);
    if (nplug_game_file_read(path, &file, &notes) == NPLUG_OK) {
        status = show(asked, nplug_game_file_game(file), labels, spoken.language);
        nplug_game_file_free(file);
    } else {
        tool_notes(&notes);
        status = TOOL_WRONG;
    }
    speech_close(&spoken);
    labels_close(labels);
    return known ? status : TOOL_WRONG;
}

static int run(const tool_command *command, int argc, const char **argv)
{
    wishes asked = {.atlas = {.size = 48}};
    const char *path;
    int status;
    struct poptOption options[] = {
        {"layout", 0, POPT_ARG_STRING, &asked.layout, 0,
         "Call keys as a keyboard layout of this system has them (de, fr, ru)", "LAYOUT"},
        {"language", 0, POPT_ARG_STRING, &asked.language, 0,
         "Speak a language, by its tag (de, en-GB) or from a file (NAME.json)", "LANGUAGE"},
        {"family", 0, POPT_ARG_STRING, &asked.family, 0,
         "Also show what is shown on any device of a family (letters, numbers)", "FAMILY"},
        {"atlas", 0, POPT_ARG_STRING, &asked.atlas.path, 0,
         "Instead draw all pictures into one file (.png or .svg), and where each is into one "
         "beside "
         "it (.json)",
         "FILE"},
        {"size", 0, POPT_ARG_INT | POPT_ARGFLAG_SHOW_DEFAULT, &asked.atlas.size, 0,
         "How high each picture of --atlas is, in pixels", "PIXELS"},
        {"dark", 0, POPT_ARG_NONE, &asked.atlas.dark, 0,
         "Draw --atlas in light ink, for a dark screen", NULL},
        {"json", 0, POPT_ARG_NONE, &asked.json, 0, "Print an array of rows", NULL},
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &path);
    if (status < 0 && (asked.atlas.size < ATLAS_LEAST || asked.atlas.size > ATLAS_MOST))
        status = tool_usage(command, "--size %d: %d to %d pixels are expected", asked.atlas.size,
                            ATLAS_LEAST, ATLAS_MOST);
    if (status < 0) status = show_file(&asked, path);
    free(asked.layout);
    free(asked.language);
    free(asked.family);
    free(asked.atlas.path);
    return status;
}

const tool_command tool_prompts = {
    "prompts",
    "[OPTIONS] GAMEFILE",
    "Prints what players are shown for each action of a game, by what they use",
    "Families are those of the simulated models, and that of --family; nplug_prompt_info asks for "
    "the same "
    "in a game.",
    TOOL_MUST,
    run};
