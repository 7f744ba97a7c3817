#include "fields.h"
#include "core/base/base.h"
#include <stdio.h>
#include <string.h>

static const char *type_name(nf_type type)
{
    static const char *const names[] = {"a text",    "a number", "a whole number", "true or false",
                                        "an object", "an array", "any value"};
    return names[type];
}

static bool is_of_type(const json_t *value, nf_type type)
{
    switch (type) {
    case NF_STRING:
        return json_is_string(value);
    case NF_NUMBER:
        return json_is_number(value);
    case NF_INTEGER:
        return json_is_integer(value);
    case NF_BOOL:
        return json_is_boolean(value);
    case NF_OBJECT:
        return json_is_object(value);
    case NF_ARRAY:
        return json_is_array(value);
    default:
        return true;
    }
}

static const nf_field *field_of(const nf_field *fields, size_t count, const char *name)
{
    for (size_t i = 0; i < count; i++)
        if (strcmp(fields[i].name, name) == 0) return &fields[i];
    return NULL;
}

const char *nf_nearest(const char *const *words, size_t count, size_t stride, const char *word,
                       char *buffer, size_t size)
{
    const char *near = NULL;
    unsigned best = 4;

    for (size_t i = 0; i < count; i++) {
        const char *known;
        unsigned far;
        memcpy(&known, (const char *)words + i * stride, sizeof known);
        far = np_text_distance(word, strlen(word), known, strlen(known), best);
        if (far >= best) continue;
        best = far;
        near = known;
    }
    if (size) buffer[0] = 0;
    if (near) snprintf(buffer, size, "; did you mean \"%s\"?", near);
    return buffer;
}

static void warn_unknown(nf_doc *doc, const char *at, const char *name, const nf_field *fields,
                         size_t count)
{
    char near[96];

    nf_warning(doc, at, "\"%s\" is not known here%s", name,
               nf_nearest(&fields->name, count, sizeof *fields, name, near, sizeof near));
}

void nf_check(nf_doc *doc, const json_t *object, const char *pointer, const nf_field *fields,
              size_t count)
{
    const char *name;
    json_t *value;
    char at[256];

    json_object_foreach((json_t *)object, name, value)
    {
        const nf_field *field = field_of(fields, count, name);
        snprintf(at, sizeof at, "%s/%s", pointer, name);
        if (!field)
            warn_unknown(doc, at, name, fields, count);
        else if (!is_of_type(value, field->type))
            nf_error(doc, at, "\"%s\" must be %s", name, type_name(field->type));
    }
    for (size_t i = 0; i < count; i++)
        if (fields[i].required && !json_object_get(object, fields[i].name))
            nf_error(doc, pointer, "\"%s\" is missing: %s is expected", fields[i].name,
                     type_name(fields[i].type));
}

static bool fits(json_int_t value, int size)
{
    int bits = 8 * (size < 0 ? -size : size);

    if (bits == 64) return size < 0 || value >= 0;
    if (size < 0)
        return value >= -((json_int_t)1 << (bits - 1)) && value < (json_int_t)1 << (bits - 1);
    return value >= 0 && value < (json_int_t)1 << bits;
}

static void put_number(void *into, int size, json_int_t value)
{
    uint64_t wide = (uint64_t)value;
    uint32_t word = (uint32_t)wide;
    uint16_t half = (uint16_t)wide;
    uint8_t byte = (uint8_t)wide;

    switch (size < 0 ? -size : size) {
    case 1:
        memcpy(into, &byte, 1);
        break;
    case 2:
        memcpy(into, &half, 2);
        break;
    case 4:
        memcpy(into, &word, 4);
        break;
    default:
        memcpy(into, &wide, 8);
        break;
    }
}

static json_int_t get_number(const void *from, int size)
{
    uint64_t wide;
    uint32_t word;
    uint16_t half;

    switch (size < 0 ? -size : size) {
    case 1:
        return *(const uint8_t *)from;
    case 2:
        memcpy(&half, from, 2);
        return half;
    case 4:
        memcpy(&word, from, 4);
        return size < 0 ? (json_int_t)(int32_t)word : (json_int_t)word;
    default:
        memcpy(&wide, from, 8);
        return (json_int_t)wide;
    }
}

void nf_numbers_read(nf_doc *doc, const json_t *object, const char *pointer,
                     const nf_number *numbers, size_t count, void *into)
{
    for (size_t i = 0; i < count; i++) {
        const json_t *value = json_object_get(object, numbers[i].name);
        char at[256];
        if (!json_is_integer(value)) continue;
        if (fits(json_integer_value(value), numbers[i].size)) {
            put_number((char *)into + numbers[i].offset, numbers[i].size,
                       json_integer_value(value));
            continue;
        }
        snprintf(at, sizeof at, "%s/%s", pointer, numbers[i].name);
        nf_error(doc, at, "\"%s\" is out of range: %s%d bits are expected", numbers[i].name,
                 numbers[i].size < 0 ? "" : "0 or more, ",
                 8 * (numbers[i].size < 0 ? -numbers[i].size : numbers[i].size));
    }
}

void nf_numbers_write(json_t *object, const nf_number *numbers, size_t count, const void *from,
                      bool all)
{
    for (size_t i = 0; i < count; i++) {
        json_int_t value = get_number((const char *)from + numbers[i].offset, numbers[i].size);
        if (value || all) json_object_set_new(object, numbers[i].name, json_integer(value));
    }
}

int nf_word(const char *const *words, size_t count, const char *word)
{
    for (size_t i = 0; word && i < count; i++)
        if (strcmp(words[i], word) == 0) return (int)i;
    return -1;
}

const char *nf_string(const json_t *object, const char *name, const char *otherwise)
{
    const char *text = json_string_value(json_object_get(object, name));
    return text ? text : otherwise;
}

void nf_check_name(nf_doc *doc, const char *name, const char *pointer)
{
    static const char letters[] =
        "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789-_";

    if (name[0] == 0 || strlen(name) > 48 || name[strspn(name, letters)])
        nf_error(doc, pointer,
                 "\"%.60s\" is no name: 1 to 48 letters, digits, '-' and '_' are expected", name);
}
