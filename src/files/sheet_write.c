/* Sheets as files. */
#include "codes.h"
#include "nestplug/files.h"
#include "fields.h"
#include "sheet_json.h"
#include "whole_file.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* --- rules ---------------------------------------------------------------------------------- */

static void put_id(json_t *into, const char *name, uint16_t number)
{
    char text[16];

    snprintf(text, sizeof text, "0x%04x", number);
    json_object_set_new(into, name, json_string(text));
}

static void put_codes(json_t *into, const char *name, unsigned space, const uint32_t *codes,
                      uint16_t count)
{
    json_t *list;
    char text[64];

    if (!count) return;
    list = json_array();
    for (uint16_t i = 0; i < count; i++) {
        nplug_code_name((nplug_space)space, codes[i], text, sizeof text);
        json_array_append_new(list, json_string(text));
    }
    json_object_set_new(into, name, list);
}

static json_t *match_json(const nplug_rule *match)
{
    json_t *rule = json_object();
    const char *bus = nf_bus_name(match->bus);
    char product[16];

    if (bus) json_object_set_new(rule, "bus", json_string(bus));
    if (match->vendor || match->product) put_id(rule, "vendor", match->vendor);
    if (match->product) {
        snprintf(product, sizeof product, "0x%04x", match->product);
        json_object_set_new(rule, "product", json_pack("[s]", product));
    }
    if (match->version) put_id(rule, "version", match->version);
    if (match->kind)
        json_object_set_new(rule, "kind",
                            json_string(nplug_kind_name((nplug_device_kind)match->kind)));
    if (match->space)
        json_object_set_new(rule, "space", json_string(nf_space_names[match->space - 1]));
    put_codes(rule, "has", match->space - 1u, match->has, match->has_count);
    put_codes(rule, "lacks", match->space - 1u, match->lacks, match->lacks_count);
    if (match->axis) {
        char code[64];
        nplug_code_name((nplug_space)(match->space - 1u), match->axis, code, sizeof code);
        json_object_set_new(rule, "axis",
                            json_pack("{s:s, s:i, s:i}", "code", code, "fuzz", (int)match->fuzz,
                                      "flat", (int)match->flat));
    }
    return rule;
}

/* --- wires ---------------------------------------------------------------------------------- */

static void put_code(json_t *into, const nplug_wire *wire)
{
    uint32_t slot = wire->space == NPLUG_SPACE_EVDEV ? wire->code >> 24 : 0;
    char text[64];

    if (wire->space == NPLUG_SPACE_PLAIN || wire->space == NPLUG_SPACE_W3C) {
        json_object_set_new(into, nf_space_names[wire->space], json_integer(wire->code));
        return;
    }
    nplug_code_name((nplug_space)wire->space, wire->code & (slot ? 0xffffffu : UINT32_MAX), text,
                    sizeof text);
    json_object_set_new(into, nf_space_names[wire->space], json_string(text));
    if (slot) json_object_set_new(into, "slot", json_integer(slot));
}

/* The member and the word that say how a signal is read; a lever says it apart. */
static void put_reading(json_t *into, const nplug_wire *wire)
{
    static const char *const rows[][2] = {
        {NULL, NULL},     {"rest", "low"},  {"rest", "high"}, {"when", "low"},   {"when", "high"},
        {"half", "low"},  {"half", "high"}, {"side", "up"},   {"side", "right"}, {"side", "down"},
        {"side", "left"}, {"side", "x"},    {"side", "y"}};
    const char *const *row;

    if (wire->flags & NPLUG_WIRE_LEVER) {
        json_object_set_new(into, "rest", json_string("none"));
        if (wire->reading == NPLUG_READING_FROM_HIGH)
            json_object_set_new(into, "full", json_string("low"));
        return;
    }
    if (wire->reading >= sizeof rows / sizeof *rows || !rows[wire->reading][0]) return;
    /* A place on a surface begins at the low end by nature. */
    if (nplug_control_nature(wire->control, NULL) == NPLUG_NATURE_POSITION) return;
    row = rows[wire->reading];
    json_object_set_new(into, row[0], json_string(row[1]));
}

static json_t *wire_json(const nplug_wire *wire)
{
    json_t *object = json_object();

    put_code(object, wire);
    put_reading(object, wire);
    if (wire->flags & NPLUG_WIRE_HAS_REST)
        json_object_set_new(object, "rest", json_integer(wire->rest));
    if (wire->flags & NPLUG_WIRE_HAS_RANGE)
        json_object_set_new(object, "range", json_pack("[i, i]", (int)wire->min, (int)wire->max));
    if (wire->flags & NPLUG_WIRE_REVERSED)
        json_object_set_new(object, wire->component ? "up" : "right", json_string("low"));
    if (wire->node)
        json_object_set_new(object, "node",
                            json_string(nplug_kind_name((nplug_device_kind)wire->node)));
    if (wire->flags & NPLUG_WIRE_GUESS) json_object_set_new(object, "guess", json_true());
    if (wire->flags & NPLUG_WIRE_ZERO_FIRST) json_object_set_new(object, "first", json_integer(0));
    if (wire->flags & NPLUG_WIRE_SQUARE) json_object_set_new(object, "gate", json_string("square"));
    if (wire->debounce_ms) json_object_set_new(object, "debounce", json_integer(wire->debounce_ms));
    return object;
}

/* A control's name without its class. */
static void plain_name(nplug_control control, char *buffer, size_t size)
{
    char name[64] = "";
    const char *colon;

    nplug_control_name(control, name, sizeof name);
    colon = strchr(name, ':');
    snprintf(buffer, size, "%s", colon ? colon + 1 : name);
}

/* Puts a wire where its control has none yet, or beside those that feed the same. */
static void put_wire(json_t *into, const char *name, json_t *wire)
{
    json_t *there = json_object_get(into, name);

    if (!there) {
        json_object_set_new(into, name, wire);
    } else if (json_is_array(there)) {
        json_array_append_new(there, wire);
    } else {
        json_object_set_new(into, name, json_pack("[O, o]", there, wire));
    }
}

static json_t *controls_json(const nplug_sheet *sheet)
{
    json_t *all = json_object();

    for (uint32_t i = 0; i < sheet->wire_count; i++) {
        const nplug_wire *wire = &sheet->wires[i];
        unsigned components;
        char name[64];
        plain_name(wire->control, name, sizeof name);
        nplug_control_nature(wire->control, &components);
        if (components == 1) {
            put_wire(all, name, wire_json(wire));
            continue;
        }
        if (!json_object_get(all, name)) json_object_set_new(all, name, json_object());
        put_wire(json_object_get(all, name), nf_component_names[wire->component % NF_COMPONENTS],
                 wire_json(wire));
    }
    return all;
}

/* --- the whole ------------------------------------------------------------------------------ */

static json_t *prints_json(const nplug_sheet *sheet)
{
    json_t *all = json_object();
    char name[64];

    for (uint32_t i = 0; i < sheet->print_count; i++) {
        plain_name(sheet->prints[i].control, name, sizeof name);
        json_object_set_new(all, name, json_string(sheet->prints[i].text));
    }
    return all;
}

json_t *nf_sheet_json(const nplug_sheet *sheet)
{
    json_t *root = json_pack("{s:s, s:i, s:s, s:s}", "nestplug", "sheet", "version", 1, "name",
                             sheet->name, "kind", nplug_kind_name(sheet->kind));
    json_t *rules = json_array();

    if (*sheet->family) json_object_set_new(root, "family", json_string(sheet->family));
    if (sheet->confirm)
        json_object_set_new(root, "confirm",
                            json_string(sheet->confirm == NPLUG_PAD_EAST ? "east" : "south"));
    for (uint32_t i = 0; i < sheet->rule_count; i++)
        json_array_append_new(rules, match_json(&sheet->rules[i]));
    json_object_set_new(root, "match", rules);
    if (sheet->keys) json_object_set_new(root, "keys", json_string("all"));
    if (sheet->wire_count) json_object_set_new(root, "controls", controls_json(sheet));
    if (sheet->print_count) json_object_set_new(root, "prints", prints_json(sheet));
    return root;
}

size_t nplug_sheet_text(const nplug_sheet *sheet, char *buffer, size_t size)
{
    json_t *root;
    size_t length;
    char *text;

    if (size) buffer[0] = 0;
    if (!sheet || sheet->size != sizeof *sheet) return 0;
    root = nf_sheet_json(sheet);
    text = json_dumps(root, JSON_INDENT(2));
    json_decref(root);
    if (!text) return 0;
    length = strlen(text);
    if (size) snprintf(buffer, size, "%s", text);
    free(text);
    return length;
}

nplug_result nplug_sheet_write(const nplug_sheet *sheet, const char *path)
{
    nplug_result result;
    json_t *root;

    if (!sheet || !path || sheet->size != sizeof *sheet) return NPLUG_ERR_ARGUMENT;
    root = nf_sheet_json(sheet);
    if (!root) return NPLUG_ERR_MEMORY;
    result = nf_write_whole(path, root);
    json_decref(root);
    return result;
}
