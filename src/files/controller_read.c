/* Sorts of VR controllers from files: which path of an OpenXR interaction profile is which control.
 */
#include "document.h"
#include "nestplug/openxr.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* The longest path of OpenXR (XR_MAX_PATH_LENGTH, its end included). */
#define PATH_SIZE 256

struct nplug_controller_file {
    nplug_openxr_profile profile;
    json_t *root; /* owns the profile's path */
    nplug_openxr_binding *bindings;
    size_t room;
};

typedef struct nplug_controller_file file;

/* Controls of a hand without their class, and which input of the port each is. */
typedef struct input_row {
    const char *name;
    uint32_t input;
} input_row;

static const input_row inputs[] = {{"trigger", NPLUG_OPENXR_TRIGGER},
                                   {"trigger-touch", NPLUG_OPENXR_TRIGGER_TOUCH},
                                   {"trigger-near", NPLUG_OPENXR_TRIGGER_NEAR},
                                   {"trigger-click", NPLUG_OPENXR_SELECT},
                                   {"squeeze", NPLUG_OPENXR_SQUEEZE},
                                   {"squeeze-touch", NPLUG_OPENXR_SQUEEZE_TOUCH},
                                   {"thumbstick", NPLUG_OPENXR_THUMBSTICK},
                                   {"thumbstick-click", NPLUG_OPENXR_THUMBSTICK_CLICK},
                                   {"thumbstick-touch", NPLUG_OPENXR_THUMBSTICK_TOUCH},
                                   {"thumbrest-touch", NPLUG_OPENXR_THUMBREST_TOUCH},
                                   {"thumbrest-near", NPLUG_OPENXR_THUMBREST_NEAR},
                                   {"lower", NPLUG_OPENXR_LOWER},
                                   {"lower-touch", NPLUG_OPENXR_LOWER_TOUCH},
                                   {"upper", NPLUG_OPENXR_UPPER},
                                   {"upper-touch", NPLUG_OPENXR_UPPER_TOUCH},
                                   {"menu", NPLUG_OPENXR_MENU},
                                   {"pose-grip", NPLUG_OPENXR_GRIP},
                                   {"pose-aim", NPLUG_OPENXR_AIM},
                                   {"rumble", NPLUG_OPENXR_HAPTIC}};
#define COUNT(list) (sizeof(list) / sizeof *(list))

static const char *const hands[] = {"left", "right"};

static const nf_field controller_fields[] = {
    NF_MUST("nestplug", NF_STRING), NF_MUST("version", NF_INTEGER), NF_HAND("name", NF_STRING),
    NF_HAND("about", NF_STRING),    NF_MUST("profile", NF_STRING),  NF_MUST("inputs", NF_OBJECT)};
const nf_object nf_controller_object = NF_OBJECT_OF(controller_fields, "controller", "");
static const nf_field hands_fields[] = {NF_HAND("left", NF_STRING), NF_HAND("right", NF_STRING)};
const nf_object nf_hands_object = NF_OBJECT_OF(hands_fields, "controller", "/$defs/hands");

/* Well-formed as OpenXR 1.0 says in section 6.2: lower-case letters, digits, '-', '_' and '.', and
 * no level of dots alone or of nothing. */
static bool is_path(const char *text)
{
    static const char *const may = "abcdefghijklmnopqrstuvwxyz0123456789-_.";

    for (;;) {
        size_t length = strspn(text, may);
        if (length == 0 || strspn(text, ".") == length) return false;
        if (text[length] == 0) return true;
        if (text[length] != '/') return false;
        text += length + 1;
    }
}

static bool begins_with(const char *text, const char *head)
{
    return strncmp(text, head, strlen(head)) == 0;
}

static void read_profile(nf_doc *doc, file *made)
{
    static const char *const head = "/interaction_profiles/";
    const char *path = nf_string(doc->root, "profile", "");

    if (!begins_with(path, head) || !is_path(path + 1) || !strchr(path + strlen(head), '/') ||
        strlen(path) >= PATH_SIZE)
        nf_error(doc, "/profile",
                 "a path such as \"/interaction_profiles/harbour/osprey\" is "
                 "expected");
    made->profile.path = path;
}

/* A hand's path; NULL with an error. */
static char *path_of(nf_doc *doc, const char *hand, const char *end, const char *pointer)
{
    char path[PATH_SIZE];
    int length = snprintf(path, sizeof path, "/user/hand/%s/%s", hand, end);
    char *kept;

    if (!is_path(end) || !(begins_with(end, "input/") || begins_with(end, "output/")) ||
        length >= PATH_SIZE) {
        nf_error(doc, pointer,
                 "a path below the hand's is expected, such as \"input/trigger/value\"");
        return NULL;
    }
    kept = (char *)malloc((size_t)length + 1);
    if (kept) memcpy(kept, path, (size_t)length + 1);
    return kept;
}

/* False with an error. */
static bool add(nf_doc *doc, file *made, uint32_t input, const char *hand, const char *end,
                const char *pointer)
{
    nplug_openxr_binding *place = (nplug_openxr_binding *)nf_one_more(
        (void **)&made->bindings, made->profile.count, &made->room, sizeof *place);

    if (!place) {
        nf_no_memory(doc, pointer);
        return false;
    }
    place->input = input;
    place->path = path_of(doc, hand, end, pointer);
    if (place->path)
        made->profile.count++;
    else if (!doc->failed)
        nf_no_memory(doc, pointer);
    return place->path != NULL;
}

/* One path for both hands, or one for each that has it. */
static void read_input(nf_doc *doc, file *made, uint32_t input, const json_t *value,
                       const char *pointer)
{
    char at[300];

    if (json_is_string(value)) {
        bool good = true;
        for (size_t h = 0; good && h < COUNT(hands); h++)
            good = add(doc, made, input, hands[h], json_string_value(value), pointer);
        return;
    }
    if (!json_is_object(value)) {
        nf_error(doc, pointer, "a path is expected, or one for \"left\" and one for \"right\"");
        return;
    }
    if (!nf_check(doc, value, pointer, &nf_hands_object)) return;
    for (size_t h = 0; h < COUNT(hands); h++) {
        const char *end = nf_string(value, hands[h], NULL);
        snprintf(at, sizeof at, "%s/%s", pointer, hands[h]);
        if (end) add(doc, made, input, hands[h], end, at);
    }
}

/* What is no control of a hand is passed over, and told. */
static const input_row *find_input(nf_doc *doc, const char *name, const char *pointer)
{
    char near[64];

    for (size_t i = 0; i < COUNT(inputs); i++)
        if (strcmp(inputs[i].name, name) == 0) return &inputs[i];
    nf_error(doc, pointer, "\"%s\" is no control of a hand%s", name,
             nf_nearest(&inputs[0].name, COUNT(inputs), sizeof *inputs, name, near, sizeof near));
    return NULL;
}

static void read_controller(nf_doc *doc, void *made)
{
    const char *name;
    json_t *value;

    read_profile(doc, (file *)made);
    json_object_foreach(json_object_get(doc->root, "inputs"), name, value)
    {
        char pointer[256];
        const input_row *row;
        snprintf(pointer, sizeof pointer, "/inputs/%s", name);
        row = find_input(doc, name, pointer);
        if (row) read_input(doc, (file *)made, row->input, value, pointer);
    }
    ((file *)made)->profile.bindings = ((file *)made)->bindings;
}

static void free_controller(void *made)
{
    nplug_controller_file_free((nplug_controller_file *)made);
}

static const nf_sort controllers = {.word = "controller",
                                    .many = "controllers",
                                    .version = 1,
                                    .object = &nf_controller_object,
                                    .size = sizeof(file),
                                    .root = offsetof(file, root),
                                    .read = read_controller,
                                    .free = free_controller};

nplug_result nplug_controller_file_parse(const char *text, size_t length, const char *name,
                                         nplug_controller_file **out, nplug_notes *notes)
{
    void *made = NULL;
    nplug_result result = nf_parse(&controllers, text, length, name, out ? &made : NULL, notes);

    if (out) *out = (nplug_controller_file *)made;
    return result;
}

nplug_result nplug_controller_file_read(const char *path, nplug_controller_file **out,
                                        nplug_notes *notes)
{
    void *made = NULL;
    nplug_result result = nf_parse_file(&controllers, path, out ? &made : NULL, notes);

    if (out) *out = (nplug_controller_file *)made;
    return result;
}

const nplug_openxr_profile *nplug_controller_file_profile(const nplug_controller_file *read)
{
    return read ? &read->profile : NULL;
}

void nplug_controller_file_free(nplug_controller_file *read)
{
    if (!read) return;
    for (uint32_t i = 0; i < read->profile.count; i++)
        free((char *)(uintptr_t)read->bindings[i].path);
    free(read->bindings);
    json_decref(read->root);
    free(read);
}
