/* Languages from files: what controls and gestures are called in prompts. */
#include "document.h"
#include "nestplug/control.h"
#include "nestplug/language.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

struct nplug_language_file {
    nplug_language language;
    json_t *root; /* owns all texts */
    nplug_word *list;
    size_t room;
};

typedef struct nplug_language_file file;

static const nf_field language_fields[] = {
    NF_MUST("nestplug", NF_STRING), NF_MUST("version", NF_INTEGER),    NF_HAND("about", NF_STRING),
    NF_MUST("tag", NF_STRING),      NF_HAND("right-to-left", NF_BOOL), NF_MUST("words", NF_OBJECT)};
const nf_object nf_language_object = NF_OBJECT_OF(language_fields, "language", "");

/* --- what is known ------------------------------------------------------------------------------
 */

/* Patterns, and how many places each has. */
typedef struct pattern_row {
    const char *name;
    int places;
} pattern_row;

static const pattern_row patterns[] = {
    {"press", 1},  {"release", 1},   {"tap", 1},        {"twice", 1},  {"times", 2}, {"hold", 1},
    {"repeat", 1}, {"chord", 2},     {"list", 2},       {"left", 1},   {"right", 1}, {"up", 1},
    {"down", 1},   {"across", 1},    {"along", 1},      {"number", 2}, {"key", 1},   {"swipe", 1},
    {"pinch", 1},  {"left-hand", 1}, {"right-hand", 1}, {"turn", 1},   {"high", 1},  {"low", 1}};
#define PATTERNS (sizeof patterns / sizeof *patterns)

/* How many places a thing's texts have, -1 where nobody knows it.  Of a hand's controls the side is
 * left out, and of those that are counted the number. */
static int places_of(const char *thing)
{
    char name[80];

    for (size_t i = 0; i < PATTERNS; i++)
        if (strcmp(patterns[i].name, thing) == 0) return patterns[i].places;
    if (!strchr(thing, ':') || strlen(thing) > 60) return -1;
    if (strncmp(thing, "hand:", 5) == 0)
        snprintf(name, sizeof name, "hand-left:%s", thing + 5);
    else
        snprintf(name, sizeof name, "%s", thing);
    if (nplug_control_named(name)) return 0;
    strcat(name, "-1");
    return nplug_control_named(name) ? 0 : -1;
}

/* --- reading ------------------------------------------------------------------------------------
 */

/* Subtags of one to eight letters and digits, the first of two or more letters (BCP 47, RFC 5646
 * section 2.1). */
static bool is_tag(const char *tag)
{
    static const char *const letters = "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ";
    static const char *const all = "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789";

    if (strspn(tag, letters) < 2 || strspn(tag, letters) != strcspn(tag, "-")) return false;
    for (;;) {
        size_t length = strspn(tag, all);
        if (length == 0 || length > 8) return false;
        if (tag[length] == 0) return true;
        if (tag[length] != '-') return false;
        tag += length + 1;
    }
}

/* Each place of a pattern has to be in it, or a prompt would not say of which control it is. */
static void check_text(nf_doc *doc, const char *text, int places, const char *pointer)
{
    if (!*text) nf_error(doc, pointer, "a text is expected, not an empty one");
    if (places > 0 && !strstr(text, "{0}"))
        nf_error(doc, pointer, "a text with {0} is expected, where the control is put");
    if (places > 1 && !strstr(text, "{1}"))
        nf_error(doc, pointer, "a text with {0} and {1} is expected");
}

/* One text for both, or a short one and a long one. */
static void read_texts(nf_doc *doc, const json_t *value, int places, const char *pointer,
                       nplug_word *word)
{
    const json_t *brief = json_is_array(value) ? json_array_get(value, 0) : value;
    const json_t *full = json_is_array(value) ? json_array_get(value, 1) : value;

    if (!json_is_string(brief) || !json_is_string(full) ||
        (json_is_array(value) && json_array_size(value) != 2)) {
        nf_error(doc, pointer, "a text is expected, or a short one and a long one: [\"\", \"\"]");
        return;
    }
    word->label = json_string_value(brief);
    word->words = json_string_value(full);
    check_text(doc, word->label, places, pointer);
    if (full != brief) check_text(doc, word->words, places, pointer);
}

/* Says that nobody knows a thing, and the nearest one. */
static void tell_unknown(nf_doc *doc, const char *thing, const char *pointer)
{
    nplug_control control = nplug_control_nearest(thing, strlen(thing));
    char name[64], near[96] = "";

    if (!strchr(thing, ':'))
        nf_nearest(&patterns[0].name, PATTERNS, sizeof *patterns, thing, near, sizeof near);
    else if (control && nplug_control_name(control, name, sizeof name))
        snprintf(near, sizeof near, "; did you mean \"%s\"?", name);
    nf_warning(doc, pointer, "\"%.60s\" is no control and no pattern%s", thing, near);
}

static void read_word(nf_doc *doc, file *made, const char *thing, const json_t *value)
{
    char pointer[128];
    int places = places_of(thing);
    nplug_word *word;

    snprintf(pointer, sizeof pointer, "/words/%.100s", thing);
    if (places < 0) {
        tell_unknown(doc, thing, pointer);
        return;
    }
    word = (nplug_word *)nf_one_more((void **)&made->list, made->language.count, &made->room,
                                     sizeof *word);
    if (!word) {
        nf_no_memory(doc, pointer);
        return;
    }
    made->language.count++;
    word->thing = thing;
    read_texts(doc, value, places, pointer, word);
}

static int by_thing(const void *a, const void *b)
{
    return strcmp(((const nplug_word *)a)->thing, ((const nplug_word *)b)->thing);
}

static void read_language(nf_doc *doc, void *out)
{
    file *made = (file *)out;
    const char *thing;
    json_t *value;

    made->language.size = (uint32_t)sizeof made->language;
    made->language.tag = nf_string(doc->root, "tag", "");
    made->language.right_to_left = json_is_true(json_object_get(doc->root, "right-to-left"));
    if (!is_tag(made->language.tag))
        nf_error(doc, "/tag", "a tag of BCP 47 is expected, such as \"de\" or \"pt-BR\"");
    json_object_foreach(json_object_get(doc->root, "words"), thing, value)
        read_word(doc, made, thing, value);
    if (made->language.count) qsort(made->list, made->language.count, sizeof *made->list, by_thing);
    made->language.list = made->list;
}

static void free_language(void *made)
{
    nplug_language_file_free((file *)made);
}

static const nf_sort languages = {.word = "language",
                                  .many = "languages",
                                  .version = 1,
                                  .object = &nf_language_object,
                                  .size = sizeof(file),
                                  .root = offsetof(file, root),
                                  .read = read_language,
                                  .free = free_language};

nplug_result nplug_language_file_parse(const char *text, size_t length, const char *name,
                                       nplug_language_file **out, nplug_notes *notes)
{
    void *made = NULL;
    nplug_result result = nf_parse(&languages, text, length, name, out ? &made : NULL, notes);

    if (out) *out = (nplug_language_file *)made;
    return result;
}

nplug_result nplug_language_file_read(const char *path, nplug_language_file **out,
                                      nplug_notes *notes)
{
    void *made = NULL;
    nplug_result result = nf_parse_file(&languages, path, out ? &made : NULL, notes);

    if (out) *out = (nplug_language_file *)made;
    return result;
}

const nplug_language *nplug_language_file_language(const nplug_language_file *read)
{
    return read ? &read->language : NULL;
}

void nplug_language_file_free(nplug_language_file *read)
{
    if (!read) return;
    free(read->list);
    json_decref(read->root);
    free(read);
}
