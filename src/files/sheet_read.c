#include "codes.h"
#include "document.h"
#include "sheet_reader.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define COUNT(list) (sizeof(list) / sizeof *(list))

static const char *const sides[] = {"up", "right", "down", "left", "x", "y"};
static const char *const gates[] = {"round", "square"};
static const char *const confirms[] = {"south", "east"};

static const nf_field sheet_fields[] = {
    NF_MUST("nestplug", NF_STRING),
    NF_MUST("version", NF_INTEGER),
    {.name = "name", .type = NF_STRING, .required = true, NF_INTO(nplug_sheet, name)},
    NF_MUST("kind", NF_STRING),
    {.name = "family", .type = NF_STRING, NF_INTO(nplug_sheet, family)},
    NF_MUST("match", NF_ARRAY),
    NF_HAND("controls", NF_OBJECT),
    NF_HAND("keys", NF_STRING),
    NF_HAND("about", NF_STRING),
    NF_HAND("prints", NF_OBJECT),
    NF_HAND("ignores", NF_ARRAY),
    {.name = "confirm", .type = NF_WORD, NF_WORDS(confirms), .sort = "button that confirms"}};
const nf_object nf_sheet_object = NF_OBJECT_OF(sheet_fields, "sheet", "");

static const nf_field vector_fields[] = {NF_MUST("x", NF_ANY), NF_MUST("y", NF_ANY)};
const nf_object nf_vector_object = NF_OBJECT_OF(vector_fields, "sheet", "/$defs/pair");
static const nf_field sensor_fields[] = {NF_MUST("x", NF_ANY), NF_MUST("y", NF_ANY),
                                         NF_MUST("z", NF_ANY)};
const nf_object nf_sensor_object = NF_OBJECT_OF(sensor_fields, "sheet", "/$defs/sensor");
static const nf_field pose_fields[] = {
    NF_MUST("x", NF_ANY),  NF_MUST("y", NF_ANY),        NF_MUST("z", NF_ANY),
    NF_MUST("qx", NF_ANY), NF_MUST("qy", NF_ANY),       NF_MUST("qz", NF_ANY),
    NF_MUST("qw", NF_ANY), NF_HAND("tracking", NF_ANY), NF_HAND("vx", NF_ANY),
    NF_HAND("vy", NF_ANY), NF_HAND("vz", NF_ANY),       NF_HAND("wx", NF_ANY),
    NF_HAND("wy", NF_ANY), NF_HAND("wz", NF_ANY)};
const nf_object nf_pose_object = NF_OBJECT_OF(pose_fields, "sheet", "/$defs/pose");

static const nf_field wire_fields[] = {
    NF_HAND("evdev", NF_STRING),
    NF_HAND("hid", NF_STRING),
    NF_HAND("plain", NF_INTEGER),
    NF_HAND("w3c", NF_INTEGER),
    NF_HAND("openxr", NF_STRING),
    NF_HAND("slot", NF_INTEGER),
    NF_HAND("rest", NF_ANY),
    NF_HAND("up", NF_STRING),
    NF_HAND("right", NF_STRING),
    NF_HAND("when", NF_STRING),
    NF_HAND("range", NF_ARRAY),
    NF_HAND("full", NF_STRING),
    NF_HAND("half", NF_STRING),
    {.name = "side", .type = NF_WORD, NF_WORDS(sides), .sort = "side of a round hat"},
    NF_HAND("first", NF_INTEGER),
    {.name = "debounce",
     .type = NF_INTEGER,
     NF_INTO(nplug_wire, debounce_ms),
     .least = 0,
     .most = 500,
     .expected = "0 to 500 milliseconds are expected"},
    {.name = "gate", .type = NF_WORD, NF_WORDS(gates), .sort = "gate"},
    NF_HAND("node", NF_STRING),
    NF_HAND("guess", NF_BOOL)};
const nf_object nf_wire_object = NF_OBJECT_OF(wire_fields, "sheet", "/$defs/wire");

/* --- controls ------------------------------------------------------------------------------- */

static void read_rest(nf_sheet_reader *in, const json_t *object, const char *pointer,
                      nplug_wire *wire)
{
    const json_t *rest = json_object_get(object, "rest");
    bool low;

    if (json_is_integer(rest)) {
        wire->flags |= NPLUG_WIRE_HAS_REST;
        wire->rest = (int32_t)json_integer_value(rest);
    } else if (json_is_string(rest) && strcmp(json_string_value(rest), "none") == 0) {
        wire->flags |= NPLUG_WIRE_LEVER;
        wire->reading = NPLUG_READING_FROM_LOW;
    } else if (nf_is_low(in->doc, object, "rest", pointer, &low)) {
        wire->reading = low ? NPLUG_READING_FROM_LOW : NPLUG_READING_FROM_HIGH;
    } else if (rest && !json_is_string(rest)) {
        char at[300];
        snprintf(at, sizeof at, "%s/rest", pointer);
        nf_error(in->doc, at, "\"rest\" must be \"low\", \"high\", \"none\" or a raw value");
    }
}

/* "range": what the signal's ends are, where the hardware does not tell the truth. */
static void read_range(nf_sheet_reader *in, const json_t *object, const char *pointer,
                       nplug_wire *wire)
{
    const json_t *range = json_object_get(object, "range");
    json_int_t low = json_integer_value(json_array_get(range, 0));
    json_int_t high = json_integer_value(json_array_get(range, 1));
    char at[300];

    snprintf(at, sizeof at, "%s/range", pointer);
    if (range && (json_array_size(range) != 2 || !json_is_integer(json_array_get(range, 0)) ||
                  !json_is_integer(json_array_get(range, 1)) || low >= high || low < INT32_MIN ||
                  high > INT32_MAX)) {
        nf_error(in->doc, at, "two raw values are expected, the lower one first");
        return;
    }
    if (!range) return;
    wire->flags |= NPLUG_WIRE_HAS_RANGE;
    wire->min = (int32_t)low;
    wire->max = (int32_t)high;
    snprintf(at, sizeof at, "%s/rest", pointer);
    if (wire->flags & NPLUG_WIRE_HAS_REST && (wire->rest < low || wire->rest > high))
        nf_error(in->doc, at, "the rest %d is outside of the range", (int)wire->rest);
}

/* What a member with two words says of the reading. */
static void read_ends(nf_sheet_reader *in, const json_t *object, const char *pointer,
                      nplug_wire *wire)
{
    bool low;

    if (nf_is_low(in->doc, object, "when", pointer, &low))
        wire->reading = low ? NPLUG_READING_WHEN_LOW : NPLUG_READING_WHEN_HIGH;
    if (nf_is_low(in->doc, object, "half", pointer, &low))
        wire->reading = low ? NPLUG_READING_HALF_LOW : NPLUG_READING_HALF_HIGH;
    if (nf_is_low(in->doc, object, "full", pointer, &low))
        wire->reading = low ? NPLUG_READING_FROM_HIGH : NPLUG_READING_FROM_LOW;
    if (nf_is_low(in->doc, object, "up", pointer, &low) && low) wire->flags |= NPLUG_WIRE_REVERSED;
    if (nf_is_low(in->doc, object, "right", pointer, &low) && low)
        wire->flags |= NPLUG_WIRE_REVERSED;
    if (json_object_get(object, "side"))
        wire->reading =
            (uint8_t)(NPLUG_READING_ROUND_UP + nf_read_word(in->doc, object, "side", pointer, sides,
                                                            COUNT(sides), "side of a round hat"));
}

static void read_quirks(nf_sheet_reader *in, const json_t *object, const char *pointer,
                        nplug_wire *wire)
{
    char at[300];

    if (json_object_get(object, "gate") &&
        nf_read_word(in->doc, object, "gate", pointer, gates, COUNT(gates), "gate"))
        wire->flags |= NPLUG_WIRE_SQUARE;
    if (json_object_get(object, "first")) {
        wire->flags |= NPLUG_WIRE_ZERO_FIRST;
        snprintf(at, sizeof at, "%s/first", pointer);
        if (json_integer_value(json_object_get(object, "first")) != 0)
            nf_error(in->doc, at, "0 is expected: what the hardware says until it is moved");
    }
    if (json_is_true(json_object_get(object, "guess"))) wire->flags |= NPLUG_WIRE_GUESS;
    if (json_object_get(object, "node"))
        wire->node = (uint8_t)nf_sheet_kind(in, object, pointer, "node");
}

/* By nature: contacts are there or not, poses are scaled, places begin at the low end. */
static void read_as_it_is(nplug_wire *wire, nplug_nature nature)
{
    if (nature == NPLUG_NATURE_POSE) wire->reading = NPLUG_READING_SCALED;
    if (nature == NPLUG_NATURE_SENSOR) wire->reading = NPLUG_READING_SENSED;
    if (nature == NPLUG_NATURE_POSITION && wire->reading == NPLUG_READING_WHOLE)
        wire->reading = NPLUG_READING_FROM_LOW;
    if (NPLUG_CONTROL_CLASS(wire->control) == NPLUG_CLASS_TOUCH && nature == NPLUG_NATURE_BUTTON)
        wire->reading = NPLUG_READING_PRESENT;
}

/* A signal may move two controls only by its two ends or sides. */
static bool is_half(const nplug_wire *wire)
{
    return wire->reading >= NPLUG_READING_WHEN_LOW && wire->reading <= NPLUG_READING_ROUND_Y;
}

/* A sensor's numbers move the axes that feel them, too. */
static bool is_sensed(const nplug_wire *wire)
{
    return wire->reading == NPLUG_READING_SENSED;
}

static void check_twice(nf_sheet_reader *in, const nplug_wire *wire, const char *pointer)
{
    const nplug_wire *wires = in->file->wires;
    char name[64];

    for (uint32_t i = 0; i < in->file->sheet.wire_count; i++) {
        if (wires[i].space != wire->space || wires[i].code != wire->code) continue;
        if (wires[i].node != wire->node) continue;
        if (is_half(&wires[i]) && is_half(wire) && wires[i].reading != wire->reading) continue;
        if (is_sensed(&wires[i]) != is_sensed(wire)) continue;
        nplug_control_name(wires[i].control, name, sizeof name);
        nf_error(in->doc, pointer, "this signal is %s's already", name);
        return;
    }
}

static void read_wire(nf_sheet_reader *in, const json_t *object, const char *pointer,
                      nplug_wire wire)
{
    unsigned components;
    nplug_wire *place;

    if (!nf_read(in->doc, object, pointer, &nf_wire_object, &wire)) return;
    if (!nf_read_code(in->doc, object, pointer, &wire.space, &wire.code)) return;
    read_rest(in, object, pointer, &wire);
    read_range(in, object, pointer, &wire);
    read_ends(in, object, pointer, &wire);
    read_quirks(in, object, pointer, &wire);
    read_as_it_is(&wire, nplug_control_nature(wire.control, &components));
    check_twice(in, &wire, pointer);
    place = (nplug_wire *)nf_one_more((void **)&in->file->wires, in->file->sheet.wire_count,
                                      &in->wire_room, sizeof(nplug_wire));
    if (!place) {
        nf_no_memory(in->doc, pointer);
        return;
    }
    *place = wire;
    in->file->sheet.wire_count++;
}

/* One wire, or a list of them that feed the same. */
static void read_wires(nf_sheet_reader *in, const json_t *value, const char *pointer,
                       nplug_wire wire)
{
    char at[280];

    if (json_is_object(value)) read_wire(in, value, pointer, wire);
    for (size_t i = 0; i < json_array_size(value); i++) {
        snprintf(at, sizeof at, "%s/%u", pointer, (unsigned)i);
        if (json_is_object(json_array_get(value, i)))
            read_wire(in, json_array_get(value, i), at, wire);
        else
            nf_error(in->doc, at, "an object is expected: which signal");
    }
    if (!json_is_object(value) && json_array_size(value) == 0)
        nf_error(in->doc, pointer, "an object is expected, or a list of them");
}

/* The components of a control that has several, by their words. */
static void read_parts(nf_sheet_reader *in, const json_t *object, const char *pointer,
                       nplug_wire wire, unsigned components)
{
    const nf_object *table = components == 2   ? &nf_vector_object
                             : components == 3 ? &nf_sensor_object
                                               : &nf_pose_object;
    char at[260];

    if (!nf_check(in->doc, object, pointer, table)) return;
    if (components == 7) components = NF_COMPONENTS;
    for (unsigned i = 0; i < components && !in->doc->failed; i++) {
        if (i >= 7 && !json_object_get(object, nf_component_names[i])) continue;
        snprintf(at, sizeof at, "%s/%s", pointer, nf_component_names[i]);
        wire.component = (uint8_t)i;
        read_wires(in, json_object_get(object, nf_component_names[i]), at, wire);
    }
}

/* The control of a name without its class, at a place of the file; 0 with an error. */
static nplug_control control_of(nf_sheet_reader *in, const char *name, const char *pointer)
{
    const char *kind = nf_string(in->doc->root, "kind", "");
    const char *class_ = strcmp(kind, "keyboard") == 0 ? "key"
                         : strcmp(kind, "motion") == 0 ? "pad"
                                                       : kind;
    char full[160], near[64] = "";
    nplug_control control;

    snprintf(full, sizeof full, "%s:%s", class_, name);
    control = nplug_control_named(full);
    if (control) return control;
    nplug_control_name(nplug_control_nearest(full, (size_t)-1), near, sizeof near);
    nf_error(in->doc, pointer, "\"%s\" is no control of a %s%s%s%s", name, kind,
             *near ? "; did you mean " : "", near, *near ? "?" : "");
    return 0;
}

static void read_control(nf_sheet_reader *in, const char *name, const json_t *object)
{
    nplug_wire wire;
    char pointer[200];
    unsigned components;

    memset(&wire, 0, sizeof wire);
    snprintf(pointer, sizeof pointer, "/controls/%s", name);
    wire.control = control_of(in, name, pointer);
    if (!wire.control) return;
    nplug_control_nature(wire.control, &components);
    if (components == 1)
        read_wires(in, object, pointer, wire);
    else
        read_parts(in, object, pointer, wire, components);
}

static void read_print(nf_sheet_reader *in, const char *name, const json_t *value)
{
    nplug_print *print;
    char pointer[200];

    snprintf(pointer, sizeof pointer, "/prints/%s", name);
    if (!json_is_string(value)) {
        nf_error(in->doc, pointer, "a text is expected: what is printed there");
        return;
    }
    print = (nplug_print *)nf_one_more((void **)&in->file->prints, in->file->sheet.print_count,
                                       &in->print_room, sizeof(nplug_print));
    if (!print) {
        nf_no_memory(in->doc, pointer);
        return;
    }
    print->control = control_of(in, name, pointer);
    print->text = json_string_value(value);
    in->file->sheet.print_count++;
}

/* What is known of the hardware, and of no use: kept for people, and checked. */
static void read_ignored(nf_sheet_reader *in)
{
    const json_t *list = json_object_get(in->doc->root, "ignores");
    char at[64];

    for (size_t i = 0; i < json_array_size(list); i++) {
        nplug_wire wire;
        memset(&wire, 0, sizeof wire);
        snprintf(at, sizeof at, "/ignores/%u", (unsigned)i);
        if (!json_is_object(json_array_get(list, i)))
            nf_error(in->doc, at, "an object with a code is expected");
        else if (nf_read_code(in->doc, json_array_get(list, i), at, &wire.space, &wire.code))
            check_twice(in, &wire, at);
    }
}

static void read_controls(nf_sheet_reader *in)
{
    const char *name;
    json_t *value;

    json_object_foreach(json_object_get(in->doc->root, "controls"), name, value)
        read_control(in, name, value);
    json_object_foreach(json_object_get(in->doc->root, "prints"), name, value)
        read_print(in, name, value);
    read_ignored(in);
}

/* --- the whole ------------------------------------------------------------------------------ */

static void read_head(nf_sheet_reader *in)
{
    nplug_sheet *sheet = &in->file->sheet;
    const char *keys = nf_string(in->doc->root, "keys", NULL);

    if (keys && strcmp(keys, "all") != 0)
        nf_error(in->doc, "/keys", "\"all\" is expected: each key by its HID usage or kernel code");
    sheet->size = (uint32_t)sizeof *sheet;
    nf_fill(in->doc, in->doc->root, "", &nf_sheet_object, sheet);
    sheet->kind = (nplug_device_kind)nf_sheet_kind(in, in->doc->root, "", "kind");
    if (sheet->kind == NPLUG_KIND_UNKNOWN && !in->doc->failed)
        nf_error(in->doc, "/kind", "\"unknown\" is no kind of device");
    sheet->keys = keys != NULL;
    if (json_object_get(in->doc->root, "confirm"))
        sheet->confirm = NPLUG_PAD_SOUTH + (uint32_t)nf_read_word(in->doc, in->doc->root, "confirm",
                                                                  "", confirms, COUNT(confirms),
                                                                  "button that confirms");
}

static void read_sheet(nf_doc *doc, void *made)
{
    nf_sheet_reader in;

    memset(&in, 0, sizeof in);
    in.doc = doc;
    in.file = (nplug_sheet_file *)made;
    read_head(&in);
    nf_sheet_matches(&in);
    if (!doc->failed) read_controls(&in);
    in.file->sheet.rules = in.file->matches;
    in.file->sheet.wires = in.file->wires;
    in.file->sheet.prints = in.file->prints;
}

static void free_sheet(void *file)
{
    nplug_sheet_file_free((nplug_sheet_file *)file);
}

static const nf_sort sort_of_sheets = {.word = "sheet",
                                       .many = "sheets",
                                       .version = 1,
                                       .object = &nf_sheet_object,
                                       .size = sizeof(nplug_sheet_file),
                                       .root = offsetof(nplug_sheet_file, root),
                                       .read = read_sheet,
                                       .free = free_sheet};

nplug_result nplug_sheet_file_parse(const char *text, size_t length, const char *name,
                                    nplug_sheet_file **out, nplug_notes *notes)
{
    void *made = NULL;
    nplug_result result = nf_parse(&sort_of_sheets, text, length, name, out ? &made : NULL, notes);

    if (out) *out = (nplug_sheet_file *)made;
    return result;
}

nplug_result nplug_sheet_file_read(const char *path, nplug_sheet_file **file, nplug_notes *notes)
{
    void *made = NULL;
    nplug_result result = nf_parse_file(&sort_of_sheets, path, file ? &made : NULL, notes);

    if (file) *file = (nplug_sheet_file *)made;
    return result;
}

const nplug_sheet *nplug_sheet_file_sheet(const nplug_sheet_file *file)
{
    return file ? &file->sheet : NULL;
}

void nplug_sheet_file_free(nplug_sheet_file *file)
{
    if (!file) return;
    json_decref(file->root);
    free(file->matches);
    free(file->wires);
    free(file->prints);
    free(file->codes);
    free(file);
}
