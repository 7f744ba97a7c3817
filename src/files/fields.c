#include "fields.h"
#include "core/base/base.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static const char *type_name(nf_type type)
{
    static const char *const names[] = {"a text",    "a number", "a whole number", "true or false",
                                        "an object", "an array", "any value",      "a text",
                                        "a text",    "a text"};
    return names[type];
}

static bool is_of_type(const json_t *value, nf_type type)
{
    switch (type) {
    case NF_STRING:
    case NF_WORD:
    case NF_ID:
    case NF_BUS:
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

static const nf_field *field_of(const nf_object *table, const char *name)
{
    for (size_t i = 0; i < table->count; i++)
        if (strcmp(table->fields[i].name, name) == 0) return &table->fields[i];
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

static void warn_unknown(nf_doc *doc, const char *at, const char *name, const nf_object *table)
{
    char near[96];

    nf_warning(doc, at, "\"%s\" is not known here%s", name,
               nf_nearest(&table->fields->name, table->count, sizeof *table->fields, name, near,
                          sizeof near));
}

bool nf_check(nf_doc *doc, const json_t *object, const char *pointer, const nf_object *table)
{
    const char *name;
    json_t *value;
    char at[256];

    if (!json_is_object(object)) {
        nf_error(doc, pointer, "an object is expected");
        return false;
    }
    json_object_foreach((json_t *)object, name, value)
    {
        const nf_field *field = field_of(table, name);
        snprintf(at, sizeof at, "%s/%s", pointer, name);
        if (!field)
            warn_unknown(doc, at, name, table);
        else if (!is_of_type(value, field->type))
            nf_error(doc, at, "\"%s\" must be %s", name, type_name(field->type));
    }
    for (size_t i = 0; i < table->count; i++)
        if (table->fields[i].required && !json_object_get(object, table->fields[i].name))
            nf_error(doc, pointer, "\"%s\" is missing: %s is expected", table->fields[i].name,
                     type_name(table->fields[i].type));
    return !doc->failed;
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

/* --- words ------------------------------------------------------------------------------------ */

/* Bus numbers of the Linux kernel's input interface (input.h). */
static const struct {
    const char *name;
    uint16_t number;
} buses[] = {{"pci", 0x01},   {"usb", 0x03}, {"bluetooth", 0x05}, {"virtual", 0x06},
             {"i8042", 0x11}, {"i2c", 0x18}, {"host", 0x19},      {"spi", 0x1c}};
#define BUSES (sizeof buses / sizeof *buses)

const char *nf_bus_name(uint16_t bus)
{
    for (size_t i = 0; i < BUSES; i++)
        if (buses[i].number == bus) return buses[i].name;
    return NULL;
}

static uint16_t bus_of(nf_doc *doc, const char *word, const char *at)
{
    char near[96];

    for (size_t i = 0; i < BUSES; i++)
        if (strcmp(buses[i].name, word) == 0) return buses[i].number;
    nf_error(doc, at, "\"%s\" is no bus%s", word,
             nf_nearest(&buses[0].name, BUSES, sizeof *buses, word, near, sizeof near));
    return 0;
}

uint16_t nf_id_of(nf_doc *doc, const json_t *value, const char *at)
{
    const char *text = json_string_value(value);
    char *end = NULL;
    unsigned long number = text ? strtoul(text, &end, 16) : 0;

    if (text && strncmp(text, "0x", 2) == 0 && *end == 0 && number <= 0xffff)
        return (uint16_t)number;
    nf_error(doc, at, "a number like \"0x0201\" is expected");
    return 0;
}

int nf_word(const char *const *words, size_t count, const char *word)
{
    for (size_t i = 0; word && i < count; i++)
        if (strcmp(words[i], word) == 0) return (int)i;
    return -1;
}

static uint16_t word_of(nf_doc *doc, const char *word, const char *at, const char *const *words,
                        size_t count, const char *sort)
{
    int found = nf_word(words, count, word);
    char near[96];

    if (found >= 0) return (uint16_t)found;
    nf_error(doc, at, "\"%s\" is no %s%s", word, sort,
             nf_nearest(words, count, sizeof *words, word, near, sizeof near));
    return 0;
}

uint16_t nf_read_word(nf_doc *doc, const json_t *object, const char *member, const char *pointer,
                      const char *const *words, size_t count, const char *sort)
{
    const char *word = nf_string(object, member, NULL);
    char at[256];

    snprintf(at, sizeof at, "%s/%s", pointer, member);
    return word ? word_of(doc, word, at, words, count, sort) : 0;
}

/* --- by a table ------------------------------------------------------------------------------- */

static json_int_t number_of(nf_doc *doc, const nf_field *field, const json_t *value, const char *at)
{
    json_int_t number = json_integer_value(value);
    bool bounded = field->least || field->most;

    if (bounded && (number < field->least || number > field->most))
        nf_error(doc, at, "%s", field->expected);
    return number;
}

/* What a member comes to, where that is a number. */
static json_int_t value_of(nf_doc *doc, const nf_field *field, const json_t *value, const char *at)
{
    switch (field->type) {
    case NF_BOOL:
        return json_is_true(value);
    case NF_WORD:
        return word_of(doc, json_string_value(value), at, field->words, field->count, field->sort);
    case NF_ID:
        return nf_id_of(doc, value, at);
    case NF_BUS:
        return bus_of(doc, json_string_value(value), at);
    default:
        return number_of(doc, field, value, at);
    }
}

static void read_field(nf_doc *doc, const nf_field *field, const json_t *object,
                       const char *pointer, void *into)
{
    const json_t *value = json_object_get(object, field->name);
    char at[256];

    if (field->type == NF_STRING) {
        const char *text = value ? json_string_value(value) : "";
        memcpy(into, &text, sizeof text);
        return;
    }
    snprintf(at, sizeof at, "%s/%s", pointer, field->name);
    put_number(into, field->size, value ? value_of(doc, field, value, at) : field->otherwise);
}

bool nf_fill(nf_doc *doc, const json_t *object, const char *pointer, const nf_object *table,
             void *into)
{
    for (size_t i = 0; i < table->count; i++)
        if (table->fields[i].size)
            read_field(doc, &table->fields[i], object, pointer,
                       (char *)into + table->fields[i].offset);
    return !doc->failed;
}

bool nf_read(nf_doc *doc, const json_t *object, const char *pointer, const nf_object *table,
             void *into)
{
    return nf_check(doc, object, pointer, table) && nf_fill(doc, object, pointer, table, into);
}

/* --- numbers ---------------------------------------------------------------------------------- */

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
