/* The match rules of a sheet. */
#include "codes.h"
#include "objects.h"
#include "sheet_reader.h"
#include <stdio.h>
#include <string.h>

static const nf_field match_fields[] = {
    {.name = "bus", .type = NF_BUS, NF_INTO(nplug_rule, bus)},
    {.name = "vendor", .type = NF_ID, NF_INTO(nplug_rule, vendor)},
    NF_HAND("product", NF_ARRAY),
    {.name = "version", .type = NF_ID, NF_INTO(nplug_rule, version)},
    NF_HAND("kind", NF_STRING),
    NF_HAND("space", NF_STRING),
    NF_HAND("has", NF_ARRAY),
    NF_HAND("lacks", NF_ARRAY),
    NF_HAND("axis", NF_OBJECT)};
const nf_object nf_match_object = NF_OBJECT_OF(match_fields, "sheet", "/$defs/match");

#define RAW .least = INT32_MIN, .most = INT32_MAX, .expected = "a raw value of 32 bits is expected"

static const nf_field axis_fields[] = {
    NF_MUST("code", NF_STRING),
    {.name = "fuzz", .type = NF_INTEGER, .required = true, NF_INTO(nplug_rule, fuzz), RAW},
    {.name = "flat", .type = NF_INTEGER, .required = true, NF_INTO(nplug_rule, flat), RAW}};
const nf_object nf_match_axis_object =
    NF_OBJECT_OF(axis_fields, "sheet", "/$defs/match/properties/axis");

static void add_match(nf_sheet_reader *in, const char *pointer, nplug_rule match)
{
    nplug_rule *one =
        (nplug_rule *)nf_one_more((void **)&in->file->matches, in->file->sheet.rule_count,
                                  &in->match_room, sizeof(nplug_rule));
    if (!one) {
        nf_no_memory(in->doc, pointer);
        return;
    }
    *one = match;
    in->file->sheet.rule_count++;
}

static void read_products(nf_sheet_reader *in, const json_t *rule, const char *pointer,
                          nplug_rule match)
{
    const json_t *products = json_object_get(rule, "product");
    char at[256];

    for (size_t i = 0; i < json_array_size(products); i++) {
        snprintf(at, sizeof at, "%s/product/%u", pointer, (unsigned)i);
        match.product = nf_id_of(in->doc, json_array_get(products, i), at);
        add_match(in, pointer, match);
    }
    if (!products) add_match(in, pointer, match);
}

uint16_t nf_sheet_kind(nf_sheet_reader *in, const json_t *object, const char *pointer,
                       const char *member)
{
    const char *kinds[NP_KINDS];

    for (unsigned i = 0; i < NP_KINDS; i++)
        kinds[i] = nplug_kind_name((nplug_device_kind)i);
    return nf_read_word(in->doc, object, member, pointer, kinds, NP_KINDS, "kind of device");
}

/* "has" and "lacks": codes of the rule's own space.  They stand in one list, so that pointers into
 * it can be set when it grows no more: until then a match holds the places. */
static void read_codes(nf_sheet_reader *in, const json_t *rule, const char *member,
                       const char *pointer, nplug_space space, uint16_t *count)
{
    const json_t *list = json_object_get(rule, member);
    char at[300];

    for (size_t i = 0; i < json_array_size(list); i++) {
        const char *name = json_string_value(json_array_get(list, i));
        uint32_t code = 0, *place;
        snprintf(at, sizeof at, "%s/%s/%u", pointer, member, (unsigned)i);
        if (!name)
            nf_error(in->doc, at, "a code's name is expected");
        else if (!nf_code_text(in->doc, space, name, at, &code))
            return;
        place = (uint32_t *)nf_one_more((void **)&in->file->codes, in->code_count, &in->code_room,
                                        sizeof(uint32_t));
        if (!place) {
            nf_no_memory(in->doc, at);
            return;
        }
        *place = code;
        in->code_count++;
        (*count)++;
    }
}

/* "axis": what an axis says of itself. */
static void read_axis(nf_sheet_reader *in, const json_t *rule, const char *pointer,
                      nplug_rule *match)
{
    const json_t *axis = json_object_get(rule, "axis");
    char at[80];

    if (!axis) return;
    snprintf(at, sizeof at, "%s/axis", pointer);
    if (!nf_read(in->doc, axis, at, &nf_match_axis_object, match)) return;
    strcat(at, "/code");
    nf_code_text(in->doc, (nplug_space)(match->space - 1), nf_string(axis, "code", ""), at,
                 &match->axis);
}

static void read_match(nf_sheet_reader *in, const json_t *rule, size_t index)
{
    nplug_rule match;
    char pointer[64];

    memset(&match, 0, sizeof match);
    snprintf(pointer, sizeof pointer, "/match/%u", (unsigned)index);
    if (!json_is_object(rule)) {
        nf_error(in->doc, pointer, "an object with \"bus\", \"vendor\", \"product\" is expected");
        return;
    }
    if (!nf_read(in->doc, rule, pointer, &nf_match_object, &match)) return;
    match.kind = nf_sheet_kind(in, rule, pointer, "kind");
    if (json_object_get(rule, "space"))
        match.space = (uint16_t)(nf_read_word(in->doc, rule, "space", pointer, nf_space_names,
                                              NP_SPACES, "code space") +
                                 1);
    if (!match.space && (json_object_get(rule, "has") || json_object_get(rule, "lacks") ||
                         json_object_get(rule, "axis")))
        nf_error(in->doc, pointer,
                 "\"has\", \"lacks\" and \"axis\" need a \"space\" for their codes");
    if (json_object_get(rule, "product") && !json_object_get(rule, "vendor"))
        nf_error(in->doc, pointer, "\"product\" means nothing without a \"vendor\"");
    if (in->doc->failed) return;
    read_axis(in, rule, pointer, &match);
    read_codes(in, rule, "has", pointer, (nplug_space)(match.space - 1), &match.has_count);
    read_codes(in, rule, "lacks", pointer, (nplug_space)(match.space - 1), &match.lacks_count);
    read_products(in, rule, pointer, match);
    if (json_object_size(rule) == 0)
        nf_error(in->doc, pointer, "an empty rule would fit every device");
}

/* The lists of codes have their place now: each match's codes follow the last one's, and those of
 * one rule's products are the same. */
static void place_codes(nf_sheet_reader *in, const json_t *rules)
{
    const uint32_t *at = in->file->codes;
    size_t match = 0;

    for (size_t i = 0; i < json_array_size(rules); i++) {
        const json_t *products = json_object_get(json_array_get(rules, i), "product");
        size_t count = products ? json_array_size(products) : 1;
        const nplug_rule *first = &in->file->matches[match];
        for (size_t end = match + count; match < end; match++) {
            in->file->matches[match].has = at;
            in->file->matches[match].lacks = at ? at + first->has_count : NULL;
        }
        if (count && at) at += first->has_count + first->lacks_count;
    }
}

void nf_sheet_matches(nf_sheet_reader *in)
{
    const json_t *rules = json_object_get(in->doc->root, "match");

    for (size_t i = 0; i < json_array_size(rules); i++)
        read_match(in, json_array_get(rules, i), i);
    if (!in->doc->failed) place_codes(in, rules);
}
