/* Members that several sorts of file have: numbers, buses, words, codes. */
#include "members.h"
#include "codes.h"
#include "sheet_json.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

void *nf_one_more(void **list, size_t used, size_t *room, size_t size)
{
    if (used == *room) {
        size_t larger = *room ? 2 * *room : 16;
        void *moved = realloc(*list, larger * size);
        if (!moved) return NULL;
        *list = moved;
        *room = larger;
    }
    memset((char *)*list + used * size, 0, size);
    return (char *)*list + used * size;
}

void nf_no_memory(nf_doc *doc, const char *pointer)
{
    nf_error(doc, pointer, "the system has no memory left");
}

static bool unknown_code(nf_doc *doc, nplug_space space, const char *name, const char *at)
{
    size_t count, stride;
    const char *const *names = nf_code_names(space, &count, &stride);
    char near[96];

    nf_error(doc, at, "\"%s\" is no code of %s%s", name, nf_space_names[space],
             nf_nearest(names, count, stride, name, near, sizeof near));
    return false;
}

bool nf_code_text(nf_doc *doc, nplug_space space, const char *name, const char *at, uint32_t *code)
{
    unsigned page, usage;
    char rest;

    if (space == NPLUG_SPACE_EVDEV && sscanf(name, "0x%8x%c", &page, &rest) == 1) {
        *code = page; /* type << 16 | code, of which the kernel has no name */
        return true;
    }
    if (space == NPLUG_SPACE_EVDEV || space == NPLUG_SPACE_OPENXR)
        return nf_code_from_name(space, name, code) || unknown_code(doc, space, name, at);
    if (space == NPLUG_SPACE_HID && sscanf(name, "0x%4x:0x%4x", &page, &usage) == 2) {
        *code = page << 16 | usage;
        return true;
    }
    if (space == NPLUG_SPACE_HID)
        nf_error(doc, at, "a usage like \"0x0001:0x0030\" (page:usage) is expected");
    else
        nf_error(doc, at, "this code space has no names");
    return false;
}

/* The one of five members that says which signal. */
bool nf_read_code(nf_doc *doc, const json_t *object, const char *pointer, uint8_t *space,
                  uint32_t *code)
{
    const json_t *given = NULL;
    unsigned count = 0;
    char at[300];

    for (unsigned i = 0; i < NP_SPACES; i++) {
        const json_t *one = json_object_get(object, nf_space_names[i]);
        if (!one) continue;
        given = one;
        *space = (uint8_t)i;
        count++;
    }
    if (count != 1) {
        nf_error(doc, pointer,
                 "one of \"evdev\", \"hid\", \"w3c\", \"openxr\" and "
                 "\"plain\" is expected");
        return false;
    }
    snprintf(at, sizeof at, "%s/%s", pointer, nf_space_names[*space]);
    *code = (uint32_t)json_integer_value(given);
    if (json_is_string(given) &&
        !nf_code_text(doc, (nplug_space)*space, json_string_value(given), at, code))
        return false;
    *code |= (uint32_t)(json_integer_value(json_object_get(object, "slot")) & 255) << 24;
    return true;
}

/* The places that a word may name, for one member: its reading is set by which it is. */
bool nf_is_low(nf_doc *doc, const json_t *object, const char *member, const char *pointer,
               bool *low)
{
    const char *word = nf_string(object, member, NULL);
    char at[300];

    if (!word) return false;
    *low = strcmp(word, "low") == 0;
    if (*low || strcmp(word, "high") == 0) return true;
    snprintf(at, sizeof at, "%s/%s", pointer, member);
    nf_error(doc, at, "\"%s\" must be \"low\" or \"high\"", member);
    return false;
}

json_t *nf_object_in(json_t *parent, const char *name)
{
    if (!json_is_object(json_object_get(parent, name)))
        json_object_set_new(parent, name, json_object());
    return json_object_get(parent, name);
}
