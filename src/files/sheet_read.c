#include "codes.h"
#include "fields.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define COUNT(list) (sizeof(list) / sizeof *(list))

struct nplug_sheet_file {
    nplug_sheet sheet;
    json_t *root; /* owns the texts */
    nplug_match *matches;
    nplug_wire *wires;
};

/* What is being read into. */
typedef struct reader {
    nf_doc doc;
    nplug_sheet_file *file;
    size_t match_room, wire_room;
} reader;

static const nf_field sheet_fields[] = {
    {"nestplug", NF_STRING, true},  {"version", NF_INTEGER, true}, {"name", NF_STRING, true},
    {"kind", NF_STRING, true},      {"family", NF_STRING, false},  {"match", NF_ARRAY, true},
    {"controls", NF_OBJECT, false}, {"keys", NF_STRING, false},    {"about", NF_STRING, false}};
static const nf_field match_fields[] = {
    {"bus", NF_STRING, false}, {"vendor", NF_STRING, true}, {"product", NF_ARRAY, true}};
static const nf_field pair_fields[] = {{"x", NF_OBJECT, true}, {"y", NF_OBJECT, true}};
static const nf_field wire_fields[] = {{"evdev", NF_STRING, false},  {"hid", NF_STRING, false},
                                       {"plain", NF_INTEGER, false}, {"w3c", NF_INTEGER, false},
                                       {"rest", NF_ANY, false},      {"up", NF_STRING, false},
                                       {"right", NF_STRING, false},  {"when", NF_STRING, false}};

static const char *const kinds[] = {"unknown", "keyboard", "mouse", "pad"};

/* Bus numbers of the Linux kernel's input interface (input.h). */
static const struct {
    const char *name;
    uint16_t number;
} buses[] = {{"pci", 0x01},   {"usb", 0x03}, {"bluetooth", 0x05}, {"virtual", 0x06},
             {"i8042", 0x11}, {"i2c", 0x18}, {"host", 0x19},      {"spi", 0x1c}};

static void *one_more(void **list, size_t used, size_t *room, size_t size)
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

/* --- match rules ---------------------------------------------------------------------------- */

static uint16_t read_id(reader *in, const json_t *value, const char *pointer)
{
    const char *text = json_string_value(value);
    char *end = NULL;
    unsigned long number = text ? strtoul(text, &end, 16) : 0;

    if (text && strncmp(text, "0x", 2) == 0 && *end == 0 && number <= 0xffff)
        return (uint16_t)number;
    nf_error(&in->doc, pointer, "a number like \"0x0201\" is expected");
    return 0;
}

static uint16_t read_bus(reader *in, const json_t *rule, const char *pointer)
{
    const char *word = nf_string(rule, "bus", NULL);
    char at[256], near[96];

    for (size_t i = 0; word && i < COUNT(buses); i++)
        if (strcmp(buses[i].name, word) == 0) return buses[i].number;
    snprintf(at, sizeof at, "%s/bus", pointer);
    if (word)
        nf_error(&in->doc, at, "\"%s\" is no bus%s", word,
                 nf_nearest(&buses[0].name, COUNT(buses), sizeof *buses, word, near, sizeof near));
    return 0;
}

static void read_products(reader *in, const json_t *rule, const char *pointer, nplug_match match)
{
    const json_t *products = json_object_get(rule, "product");
    char at[256];

    for (size_t i = 0; i < json_array_size(products); i++) {
        nplug_match *one =
            (nplug_match *)one_more((void **)&in->file->matches, in->file->sheet.match_count,
                                    &in->match_room, sizeof(nplug_match));
        if (!one) {
            nf_error(&in->doc, pointer, "the system has no memory left");
            return;
        }
        *one = match;
        snprintf(at, sizeof at, "%s/product/%u", pointer, (unsigned)i);
        one->product = read_id(in, json_array_get(products, i), at);
        in->file->sheet.match_count++;
    }
}

static void read_match(reader *in, const json_t *rule, size_t index)
{
    nplug_match match = {0, 0, 0};
    char pointer[64], at[96];

    snprintf(pointer, sizeof pointer, "/match/%u", (unsigned)index);
    if (!json_is_object(rule)) {
        nf_error(&in->doc, pointer, "an object with \"bus\", \"vendor\", \"product\" is expected");
        return;
    }
    nf_check(&in->doc, rule, pointer, match_fields, COUNT(match_fields));
    if (in->doc.failed) return;
    match.bus = read_bus(in, rule, pointer);
    snprintf(at, sizeof at, "%s/vendor", pointer);
    match.vendor = read_id(in, json_object_get(rule, "vendor"), at);
    read_products(in, rule, pointer, match);
}

/* --- controls ------------------------------------------------------------------------------- */

static bool read_evdev(reader *in, const char *name, const char *pointer, nplug_wire *wire)
{
    size_t count, stride;
    const char *const *names = nf_code_names(NPLUG_SPACE_EVDEV, &count, &stride);
    char at[300], near[96];

    wire->space = NPLUG_SPACE_EVDEV;
    if (nf_code_from_name(NPLUG_SPACE_EVDEV, name, &wire->code)) return true;
    snprintf(at, sizeof at, "%s/evdev", pointer);
    nf_error(&in->doc, at, "\"%s\" is no code of evdev%s", name,
             nf_nearest(names, count, stride, name, near, sizeof near));
    return false;
}

static bool read_code(reader *in, const json_t *object, const char *pointer, nplug_wire *wire)
{
    const char *evdev = nf_string(object, "evdev", NULL), *hid = nf_string(object, "hid", NULL);
    const json_t *w3c = json_object_get(object, "w3c");
    const json_t *plain = w3c ? w3c : json_object_get(object, "plain");
    unsigned page, usage;
    char at[300];

    if (!!evdev + !!hid + !!plain != 1) {
        nf_error(&in->doc, pointer, "one of \"evdev\", \"hid\", \"w3c\" and \"plain\" is expected");
        return false;
    }
    if (evdev) return read_evdev(in, evdev, pointer, wire);
    wire->space = w3c ? NPLUG_SPACE_W3C : plain ? NPLUG_SPACE_PLAIN : NPLUG_SPACE_HID;
    wire->code = (uint32_t)json_integer_value(plain);
    if (plain) return true;
    snprintf(at, sizeof at, "%s/hid", pointer);
    if (sscanf(hid, "0x%4x:0x%4x", &page, &usage) == 2) {
        wire->code = page << 16 | usage;
        return true;
    }
    nf_error(&in->doc, at, "a usage like \"0x0001:0x0030\" (page:usage) is expected");
    return false;
}

/* The places that a word may name, for one member: its reading is set by which it is. */
static bool is_low(reader *in, const json_t *object, const char *member, const char *pointer,
                   bool *low)
{
    const char *word = nf_string(object, member, NULL);
    char at[300];

    if (!word) return false;
    *low = strcmp(word, "low") == 0;
    if (*low || strcmp(word, "high") == 0) return true;
    snprintf(at, sizeof at, "%s/%s", pointer, member);
    nf_error(&in->doc, at, "\"%s\" must be \"low\" or \"high\"", member);
    return false;
}

static void read_rest(reader *in, const json_t *object, const char *pointer, nplug_wire *wire)
{
    const json_t *rest = json_object_get(object, "rest");
    bool low;

    if (json_is_integer(rest)) {
        wire->has_rest = 1;
        wire->rest = (int32_t)json_integer_value(rest);
    } else if (is_low(in, object, "rest", pointer, &low)) {
        wire->reading = low ? NPLUG_READ_FROM_LOW : NPLUG_READ_FROM_HIGH;
    } else if (rest && !json_is_string(rest)) {
        char at[300];
        snprintf(at, sizeof at, "%s/rest", pointer);
        nf_error(&in->doc, at, "\"rest\" must be \"low\", \"high\" or a raw value");
    }
}

static void read_wire(reader *in, const json_t *object, const char *pointer, nplug_wire wire)
{
    bool low;
    nplug_wire *place;

    if (!json_is_object(object)) return;
    nf_check(&in->doc, object, pointer, wire_fields, COUNT(wire_fields));
    if (in->doc.failed || !read_code(in, object, pointer, &wire)) return;
    read_rest(in, object, pointer, &wire);
    if (is_low(in, object, "when", pointer, &low))
        wire.reading = low ? NPLUG_READ_WHEN_LOW : NPLUG_READ_WHEN_HIGH;
    if (is_low(in, object, "up", pointer, &low) || is_low(in, object, "right", pointer, &low))
        wire.reversed = low;
    place = (nplug_wire *)one_more((void **)&in->file->wires, in->file->sheet.wire_count,
                                   &in->wire_room, sizeof(nplug_wire));
    if (!place) {
        nf_error(&in->doc, pointer, "the system has no memory left");
        return;
    }
    *place = wire;
    in->file->sheet.wire_count++;
}

static void read_control(reader *in, const char *name, const json_t *object)
{
    nplug_wire wire = {0};
    char full[160], pointer[200], at[220], near[64];
    unsigned components;

    snprintf(full, sizeof full, "%s:%s", nf_string(in->doc.root, "kind", ""), name);
    snprintf(pointer, sizeof pointer, "/controls/%s", name);
    wire.control = nplug_control_from_name(full, (size_t)-1);
    if (!wire.control) {
        nplug_control_name(nplug_control_nearest(full, (size_t)-1), near, sizeof near);
        nf_error(&in->doc, pointer, "\"%s\" is no control of a %s%s%s%s", name,
                 nf_string(in->doc.root, "kind", ""), *near ? "; did you mean " : "", near,
                 *near ? "?" : "");
        return;
    }
    nplug_control_nature(wire.control, &components);
    if (components == 1) {
        read_wire(in, object, pointer, wire);
        return;
    }
    nf_check(&in->doc, object, pointer, pair_fields, COUNT(pair_fields));
    snprintf(at, sizeof at, "%s/x", pointer);
    read_wire(in, json_object_get(object, "x"), at, wire);
    wire.component = 1;
    snprintf(at, sizeof at, "%s/y", pointer);
    read_wire(in, json_object_get(object, "y"), at, wire);
}

static void read_controls(reader *in)
{
    const char *name;
    json_t *value;
    char pointer[200];

    json_object_foreach(json_object_get(in->doc.root, "controls"), name, value)
    {
        snprintf(pointer, sizeof pointer, "/controls/%s", name);
        if (json_is_object(value))
            read_control(in, name, value);
        else
            nf_error(&in->doc, pointer, "an object is expected");
    }
}

/* --- the whole ------------------------------------------------------------------------------ */

static void read_head(reader *in)
{
    nplug_sheet *sheet = &in->file->sheet;
    const char *kind = nf_string(in->doc.root, "kind", "");
    const char *keys = nf_string(in->doc.root, "keys", NULL);
    int number = nf_word(kinds, COUNT(kinds), kind);
    char near[96];

    if (strcmp(nf_string(in->doc.root, "nestplug", ""), "sheet") != 0)
        nf_error(&in->doc, "/nestplug", "\"sheet\" is expected: this file is something else");
    if (json_integer_value(json_object_get(in->doc.root, "version")) != 1)
        nf_error(&in->doc, "/version", "this library reads version 1 of sheets");
    if (number < 1)
        nf_error(&in->doc, "/kind", "\"%s\" is no kind of device%s", kind,
                 nf_nearest(kinds, COUNT(kinds), sizeof *kinds, kind, near, sizeof near));
    if (keys && strcmp(keys, "hid") != 0)
        nf_error(&in->doc, "/keys", "\"hid\" is expected: keys by their HID usage");
    sheet->size = (uint32_t)sizeof *sheet;
    sheet->name = nf_string(in->doc.root, "name", "");
    sheet->family = nf_string(in->doc.root, "family", "");
    sheet->kind = (nplug_kind)(number < 1 ? 0 : number);
    sheet->keys = keys != NULL;
}

static void read_sheet(reader *in)
{
    const json_t *match = json_object_get(in->doc.root, "match");

    if (!json_is_object(in->doc.root)) {
        nf_error(&in->doc, "", "an object is expected");
        return;
    }
    nf_check(&in->doc, in->doc.root, "", sheet_fields, COUNT(sheet_fields));
    if (in->doc.failed) return;
    read_head(in);
    for (size_t i = 0; i < json_array_size(match); i++)
        read_match(in, json_array_get(match, i), i);
    if (!in->doc.failed) read_controls(in);
    in->file->sheet.matches = in->file->matches;
    in->file->sheet.wires = in->file->wires;
}

nplug_result nplug_sheet_parse(const char *text, size_t length, const char *name,
                               nplug_sheet_file **out, nplug_notes *notes)
{
    reader in;

    if (!text || !name || !out || !notes) return NPLUG_ERR_ARGUMENT;
    *out = NULL;
    nf_notes_begin(notes, name);
    memset(&in, 0, sizeof in);
    in.doc.text = text;
    in.doc.length = length;
    in.doc.first_line = 1;
    in.doc.notes = notes;
    in.file = (nplug_sheet_file *)calloc(1, sizeof *in.file);
    if (!in.file) return NPLUG_ERR_MEMORY;
    if (nf_doc_parse(&in.doc)) read_sheet(&in);
    in.file->root = in.doc.root;
    if (in.doc.failed) {
        nplug_sheet_free(in.file);
        return NPLUG_ERR_FORMAT;
    }
    *out = in.file;
    return NPLUG_OK;
}

nplug_result nplug_sheet_read(const char *path, nplug_sheet_file **file, nplug_notes *notes)
{
    nplug_result result;
    size_t length;
    char *text;

    if (!path || !file || !notes) return NPLUG_ERR_ARGUMENT;
    *file = NULL;
    nf_notes_begin(notes, path);
    text = nf_read_file(path, &length, notes);
    if (!text) return NPLUG_ERR_FILE;
    result = nplug_sheet_parse(text, length, path, file, notes);
    free(text);
    return result;
}

const nplug_sheet *nplug_sheet_of(const nplug_sheet_file *file)
{
    return file ? &file->sheet : NULL;
}

void nplug_sheet_free(nplug_sheet_file *file)
{
    if (!file) return;
    json_decref(file->root);
    free(file->matches);
    free(file->wires);
    free(file);
}
