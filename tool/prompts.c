#include "describe.h"
#include "labels.h"
#include "pictures.h"
#include "tool.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* What somebody may play with: the models that are plugged in together. */
typedef struct desk {
    const char *name;
    const char *models[3];
} desk;

static const desk desks[] = {{"keyboard, mouse", {"turnstone", "stint"}},
                             {"quay-letters", {"heron"}},
                             {"harbour-marks", {"whimbrel"}},
                             {"tide-letters", {"curlew"}},
                             {"numbers", {"dunlin"}},
                             {"touch", {"tern"}},
                             {"hands", {"osprey-left", "osprey-right", "osprey-headset"}}};
#define DESKS (sizeof desks / sizeof *desks)

/* The prompt of an action whose layer is on, and no other one. */
static void ask(nplug_nest *nest, uint32_t action, nplug_prompt *prompt)
{
    NPLUG_SIZED(nplug_action_facts, facts);

    nplug_action_info(nest, 1, action, &facts);
    for (uint32_t l = 0; l < 32; l++)
        nplug_switch_layer(nest, 1, l, l == facts.layer);
    nplug_step(nest, nplug_nest_time(nest));
    nplug_prompt_info(nest, 1, action, prompt);
}

/* A nest with the game and a desk's hardware, for one player; NULL without memory. */
static nplug_nest *sit_down(const nplug_game *game, const desk *at, void *labels)
{
    nplug_game alone = *game;
    nplug_nest *nest = NULL;
    nplug_sim *sim;

    alone.players = 1;
    alone.seats = NPLUG_SEATS_ONE;
    if (nplug_start_bare(&alone, NULL, &nest) != NPLUG_OK) return NULL;
    labels_use(nest, labels);
    sim = nplug_sim_start(nest);
    for (size_t m = 0; sim && m < 3 && at->models[m]; m++)
        nplug_sim_plug(sim, 0, at->models[m], at->models[m]);
    nplug_step(nest, 1000);
    return nest;
}

/* --- the table ----------------------------------------------------------------------------------
 */

/* How wide a text is: characters, since none of ours is wide or combines. */
static int width_of(const char *text)
{
    int width = 0;

    for (; *text; text++)
        width += ((unsigned char)*text & 0xc0u) != 0x80u;
    return width;
}

static void print_cell(nplug_nest *nest, uint32_t action, int width)
{
    NPLUG_SIZED(nplug_prompt, prompt);
    char text[200];

    ask(nest, action, &prompt);
    if (nplug_prompt_text(&prompt, false, text, sizeof text) == 0) strcpy(text, "-");
    printf(" %s%*s", text, width > width_of(text) ? width - width_of(text) : 0, "");
}

/* A column is as wide as its widest prompt. */
static int column_of(nplug_nest *nest, const desk *at)
{
    int widest = width_of(at->name);

    for (uint32_t a = 0; a < nplug_action_count(nest); a++) {
        NPLUG_SIZED(nplug_prompt, prompt);
        char text[200];
        ask(nest, a, &prompt);
        nplug_prompt_text(&prompt, false, text, sizeof text);
        if (width_of(text) > widest) widest = width_of(text);
    }
    return widest + 1;
}

static void print_table(nplug_nest *const nests[DESKS])
{
    int widths[DESKS], first = 7;

    for (uint32_t a = 0; a < nplug_action_count(nests[0]); a++)
        if (width_of(nplug_action_name(nests[0], a)) >= first)
            first = width_of(nplug_action_name(nests[0], a)) + 1;
    printf("%-*s", first, "ACTION");
    for (size_t d = 0; d < DESKS; d++) {
        widths[d] = column_of(nests[d], &desks[d]);
        printf(" %-*s", widths[d], desks[d].name);
    }
    putchar('\n');
    for (uint32_t a = 0; a < nplug_action_count(nests[0]); a++) {
        printf("%-*s", first, nplug_action_name(nests[0], a));
        for (size_t d = 0; d < DESKS; d++)
            print_cell(nests[d], a, widths[d]);
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
            list, json_pack("{s:s, s:s, s:s, s:s, s:s, s:s, s:s}", "control", control, "way",
                            nplug_way_name(part->way), "role", nplug_prompt_role_name(part->role),
                            "picture", part->picture, "label", part->label, "words", part->words,
                            "certain", nplug_certainty_name(part->certain)));
    }
    return list;
}

static json_t *row_of(nplug_nest *nest, const desk *at, uint32_t action)
{
    NPLUG_SIZED(nplug_prompt, prompt);
    char brief[200] = "", full[300] = "";

    ask(nest, action, &prompt);
    nplug_prompt_text(&prompt, false, brief, sizeof brief);
    nplug_prompt_text(&prompt, true, full, sizeof full);
    return json_pack("{s:s, s:s, s:s, s:s, s:s, s:s, s:s, s:o}", "action",
                     nplug_action_name(nest, action), "with", at->name, "family", prompt.family,
                     "gesture", nplug_gesture_name(prompt.gesture), "text", brief, "words", full,
                     "certain", nplug_certainty_name(prompt.certain), "parts", parts_of(&prompt));
}

static void print_json(nplug_nest *const nests[DESKS])
{
    json_t *list = json_array();

    for (uint32_t a = 0; a < nplug_action_count(nests[0]); a++)
        for (size_t d = 0; d < DESKS; d++)
            json_array_append_new(list, row_of(nests[d], &desks[d], a));
    describe_print(list, true);
}

/* --- the command ---------------------------------------------------------------------------------
 */

/* The table, or, of a folder of pictures, those that it lacks. */
static int show(const nplug_game *game, const char *folder, void *labels, bool as_json)
{
    nplug_nest *nests[DESKS] = {NULL};
    bool all = true;
    int status = TOOL_DONE;

    for (size_t d = 0; d < DESKS; d++)
        all &= (nests[d] = sit_down(game, &desks[d], labels)) != NULL;
    if (all && folder)
        status = pictures_check(nests, DESKS, folder, as_json);
    else if (all && as_json)
        print_json(nests);
    else if (all)
        print_table(nests);
    for (size_t d = 0; d < DESKS; d++)
        nplug_stop(nests[d]);
    return all ? status : TOOL_WRONG;
}

static int run(const tool_command *command, int argc, const char **argv)
{
    int json = 0, status;
    char *folder = NULL, *layout = NULL;
    void *labels = NULL;
    const char *path;
    nplug_game_file *file;
    nplug_notes notes;
    struct poptOption options[] = {
        {"pictures", 0, POPT_ARG_STRING, &folder, 0,
         "Instead tell which pictures of prompts the folder lacks, or has twice (NAME.png)",
         "FOLDER"},
        {"layout", 0, POPT_ARG_STRING, &layout, 0,
         "Call keys as a keyboard layout of this system has them (de, fr, ru)", "LAYOUT"},
        {"json", 0, POPT_ARG_NONE, &json, 0, "Print an array of rows", NULL},
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &path);
    if (status < 0 && nplug_game_file_read(path, &file, &notes) != NPLUG_OK) {
        tool_notes(&notes);
        status = TOOL_WRONG;
    }
    if (status < 0) {
        if (layout) labels = labels_open(layout);
        status = layout && !labels ? TOOL_WRONG
                                   : show(nplug_game_file_game(file), folder, labels, json != 0);
        nplug_game_file_free(file);
    }
    labels_close(labels);
    free(layout);
    free(folder);
    return status;
}

const tool_command tool_prompts = {
    "prompts",
    "[OPTIONS] GAMEFILE",
    "Prints what players are shown for each action of a game, by what they use",
    "Families are those of the simulated models; nplug_prompt_info asks for the same in a game.",
    TOOL_MUST,
    run};
