/* Recognition: which sheet fits a device, by an index over vendor and product.
 *
 * Owns np_recogniser.  Comes in: sheets; a device.  Goes out: its sheet, its prints, its kind, and
 * how that was found. */
#include "core/device/device.h"
#include <string.h>

/* --- the index ------------------------------------------------------------------------------ */

void np_recognise_layout(np_recogniser *recogniser, np_arena *arena, const nplug_limits *limits)
{
    uint32_t size = 8;

    while (size < limits->rules)
        size *= 2;
    recogniser->rule_limit = limits->rules;
    recogniser->rules = (np_rule *)np_arena_take(arena, limits->rules, sizeof(np_rule));
    recogniser->buckets = (uint16_t *)np_arena_take(arena, size, sizeof(uint16_t));
    recogniser->bucket_mask = size - 1;
    recogniser->of =
        (np_recognition *)np_arena_take(arena, limits->devices, sizeof(np_recognition));
    recogniser->beside =
        (const nplug_sheet **)np_arena_take(arena, limits->nodes, sizeof(nplug_sheet *));
    if (arena->base) memset(recogniser->buckets, 0xff, size * sizeof(uint16_t));
}

static uint16_t *bucket_of(const np_recogniser *recogniser, uint16_t vendor, uint16_t product)
{
    uint32_t key = (uint32_t)vendor << 16 | product;
    return &recogniser->buckets[(key * 2654435761u >> 12) & recogniser->bucket_mask];
}

static const nplug_rule *match_of(const np_recogniser *recogniser, const np_rule *rule)
{
    return np_rule_row(np_rule_sheet(recogniser, rule), rule->match);
}

static bool is_among(uint32_t code, const uint32_t *list, uint16_t count)
{
    for (uint16_t i = 0; i < count; i++)
        if (list[i] == code) return true;
    return false;
}

/* Whether a signal that one rule asks for is one that the other rules out. */
static bool rules_out(const nplug_rule *asks, const nplug_rule *bars)
{
    for (uint16_t i = 0; i < asks->has_count; i++)
        if (is_among(asks->has[i], bars->lacks, bars->lacks_count)) return true;
    return false;
}

static bool differ(uint16_t a, uint16_t b)
{
    return a && b && a != b;
}

static bool could_both_fit(const nplug_rule *a, const nplug_rule *b)
{
    if (differ(a->bus, b->bus) || differ(a->vendor, b->vendor) || differ(a->product, b->product))
        return false;
    if (differ(a->version, b->version) || differ(a->kind, b->kind) || differ(a->space, b->space))
        return false;
    if (a->axis && a->axis == b->axis && (a->fuzz != b->fuzz || a->flat != b->flat)) return false;
    return !rules_out(a, b) && !rules_out(b, a);
}

static bool tells_wires(const nplug_sheet *sheet)
{
    return sheet->wire_count != 0 || sheet->keys;
}

static bool tells_prints(const nplug_sheet *sheet)
{
    return *sheet->family != 0 || sheet->print_count != 0 || sheet->confirm != 0;
}

bool nplug_rules_tie(const nplug_sheet *a, uint32_t rule_a, const nplug_sheet *b, uint32_t rule_b)
{
    const nplug_rule *one, *other;

    if (!a || !b || rule_a >= a->rule_count || rule_b >= b->rule_count) return false;
    if (!(tells_wires(a) && tells_wires(b)) && !(tells_prints(a) && tells_prints(b))) return false;
    one = np_rule_row(a, rule_a);
    other = np_rule_row(b, rule_b);
    return np_rule_weight(one) == np_rule_weight(other) && could_both_fit(one, other);
}

/* Rules of one weight name the same numbers: so they stand in one bucket.  Two of one sheet come to
 * the same. */
static bool is_tied(const np_recogniser *recogniser, const np_rule *rule, uint16_t at)
{
    for (; at != NP_NO_RULE; at = recogniser->rules[at].next) {
        const np_rule *other = &recogniser->rules[at];
        if (other->set == rule->set && other->sheet != rule->sheet &&
            nplug_rules_tie(np_rule_sheet(recogniser, other), other->match,
                            np_rule_sheet(recogniser, rule), rule->match))
            return true;
    }
    return false;
}

static nplug_result add_rule(np_recogniser *recogniser, uint32_t sheet, uint32_t match)
{
    np_rule *rule = &recogniser->rules[recogniser->rule_count];
    const nplug_rule *about;
    uint16_t *bucket;

    if (recogniser->rule_count == recogniser->rule_limit) return NPLUG_ERR_FULL;
    rule->set = (uint16_t)recogniser->set_count;
    rule->sheet = (uint16_t)sheet;
    rule->match = (uint16_t)match;
    about = match_of(recogniser, rule);
    bucket = bucket_of(recogniser, about->vendor, about->product);
    if (is_tied(recogniser, rule, *bucket)) return NPLUG_ERR_FORMAT;
    rule->next = *bucket;
    *bucket = (uint16_t)recogniser->rule_count++;
    return NPLUG_OK;
}

/* Takes the last rules out again, down to `count`. */
static void drop_rules(np_recogniser *recogniser, uint32_t count)
{
    while (recogniser->rule_count > count) {
        const np_rule *rule = &recogniser->rules[--recogniser->rule_count];
        const nplug_rule *about = match_of(recogniser, rule);
        *bucket_of(recogniser, about->vendor, about->product) = rule->next;
    }
}

nplug_result np_recognise_add(np_recogniser *recogniser, const nplug_sheet *sheets, uint32_t count)
{
    uint32_t before = recogniser->rule_count;
    nplug_result result = NPLUG_OK;

    if (recogniser->set_count == NP_SHEET_SETS || count >= 65535) return NPLUG_ERR_FULL;
    recogniser->sets[recogniser->set_count].sheets = sheets;
    recogniser->sets[recogniser->set_count].count = count;
    for (uint32_t s = 0; s < count && result == NPLUG_OK; s++)
        for (uint32_t m = 0; m < np_sheet_row(sheets, s)->rule_count && result == NPLUG_OK; m++)
            result = add_rule(recogniser, s, m);
    if (result == NPLUG_OK)
        recogniser->set_count++;
    else
        drop_rules(recogniser, before);
    return result;
}

const nplug_sheet *np_recognise_family(const np_recogniser *recogniser, const char *family)
{
    const nplug_sheet *best = NULL;

    for (uint32_t set = recogniser->set_count; *family && !best && set-- > 0;)
        for (uint32_t s = 0; s < recogniser->sets[set].count; s++) {
            const nplug_sheet *sheet = np_sheet_row(recogniser->sets[set].sheets, s);
            if (strcmp(sheet->family, family) == 0 &&
                (!best || sheet->print_count > best->print_count))
                best = sheet;
        }
    return best;
}

/* Whether a stage's numbers are those of another one. */
static bool comes_twice(const np_device *device, uint32_t stage)
{
    if (stage == 1) return device->vendor == 0 || device->product == 0;
    return stage == 2 && device->vendor == 0 && device->product == 0;
}

/* A device's rules stand in three buckets: by vendor and product, by vendor, and by neither. */
const np_rule *np_recognise_next(const np_recogniser *recogniser, const np_device *device,
                                 uint32_t *at, uint32_t *stage)
{
    uint16_t vendor[3] = {device->vendor, device->vendor, 0};
    uint16_t product[3] = {device->product, 0, 0};

    for (; *stage < 3; ++*stage, *at = 0) {
        uint32_t from = *at ? recogniser->rules[*at - 1].next
                            : *bucket_of(recogniser, vendor[*stage], product[*stage]);
        if (comes_twice(device, *stage)) continue;
        for (; from != NP_NO_RULE; from = recogniser->rules[from].next) {
            const nplug_rule *match = match_of(recogniser, &recogniser->rules[from]);
            if (match->vendor != vendor[*stage] || match->product != product[*stage]) continue;
            *at = from + 1;
            return &recogniser->rules[from];
        }
    }
    return NULL;
}

/* --- rules ---------------------------------------------------------------------------------- */

/* The signal of a code of a node, or NULL. */
static const np_signal *signal_of(const np_devices *devices, uint32_t node, uint32_t space,
                                  uint32_t code)
{
    const np_node *about = &devices->nodes[node];

    for (uint32_t i = about->first_signal; i < about->first_signal + about->signals; i++)
        if (devices->signals[i].space == space && devices->signals[i].code == code)
            return &devices->signals[i];
    return NULL;
}

/* The parts of a rule that a number alone decides. */
static nplug_rule_field number_misfit(const nplug_rule *match, const np_node *about,
                                      np_classified looks)
{
    if (match->product && match->product != about->product) return NPLUG_RULE_FIELD_PRODUCT;
    if (match->vendor && match->vendor != about->vendor) return NPLUG_RULE_FIELD_VENDOR;
    if (match->version && match->version != about->version) return NPLUG_RULE_FIELD_VERSION;
    if (match->bus && match->bus != about->bus) return NPLUG_RULE_FIELD_BUS;
    if (match->kind && match->kind != (uint16_t)looks.kind) return NPLUG_RULE_FIELD_KIND;
    if (match->space && match->space != (uint16_t)looks.space + 1u) return NPLUG_RULE_FIELD_SPACE;
    return NPLUG_RULE_FIELD_NONE;
}

nplug_rule_field np_rule_misfit(const nplug_rule *match, const np_devices *devices, uint32_t node,
                                np_classified looks, uint32_t *code)
{
    nplug_rule_field part = number_misfit(match, &devices->nodes[node], looks);
    uint32_t space = match->space ? match->space - 1u : (uint32_t)looks.space;

    if (part != NPLUG_RULE_FIELD_NONE) return part;
    for (uint16_t i = 0; i < match->has_count; i++) {
        *code = match->has[i];
        if (!signal_of(devices, node, space, *code)) return NPLUG_RULE_FIELD_HAS;
    }
    for (uint16_t i = 0; i < match->lacks_count; i++) {
        *code = match->lacks[i];
        if (signal_of(devices, node, space, *code)) return NPLUG_RULE_FIELD_LACKS;
    }
    *code = match->axis;
    if (match->axis) {
        const np_signal *axis = signal_of(devices, node, space, match->axis);
        if (!axis || axis->fuzz != match->fuzz || axis->flat != match->flat)
            return NPLUG_RULE_FIELD_AXIS;
    }
    return NPLUG_RULE_FIELD_NONE;
}

uint32_t np_rule_weight(const nplug_rule *match)
{
    uint32_t weight = 0;

    if (match->product) weight |= 1u << 21;
    if (match->vendor) weight |= 1u << 20;
    if (match->version) weight |= 1u << 19;
    if (match->bus) weight |= 1u << 18;
    if (match->kind) weight |= 1u << 17;
    if (match->space) weight |= 1u << 16;
    return weight + match->has_count + match->lacks_count + (match->axis ? 2u : 0u);
}

/* --- recognising ---------------------------------------------------------------------------- */

static nplug_matched matched_by(const nplug_rule *match, np_classified looks)
{
    if (match->product) return match->bus ? NPLUG_MATCHED_NUMBERS : NPLUG_MATCHED_NO_BUS;
    if (match->vendor) return NPLUG_MATCHED_VENDOR;
    return looks.space == NPLUG_SPACE_HID ? NPLUG_MATCHED_USAGES : NPLUG_MATCHED_CODES;
}

/* The best so far, of wires or of prints. */
typedef struct best {
    const nplug_sheet *sheet;
    const nplug_rule *match;
    uint32_t weight, set;
} best;

/* The surer rule wins; of two equally sure, the one that was added later. */
static void prefer(best *it, const nplug_sheet *sheet, const nplug_rule *match, uint32_t set)
{
    uint32_t weight = np_rule_weight(match);

    if (it->sheet && (weight < it->weight || (weight == it->weight && set < it->set))) return;
    it->sheet = sheet;
    it->match = match;
    it->weight = weight;
    it->set = set;
}

/* Vendor and kind tell the prints of what the codes, usages or shape tell the wires of. */
static void choose(np_recognition *it, const best *wires, const best *prints, np_classified looks)
{
    it->sheet = wires->sheet;
    it->prints = prints->sheet;
    if (wires->sheet) {
        it->matched = matched_by(wires->match, looks);
        it->kind = wires->sheet->kind;
    } else if (looks.kind == NPLUG_KIND_UNKNOWN) {
        it->matched = NPLUG_MATCHED_NONE;
        it->kind = NPLUG_KIND_UNKNOWN;
    } else {
        it->matched = NPLUG_MATCHED_SHAPE;
        it->kind = looks.kind;
    }
    if (it->matched > NPLUG_MATCHED_VENDOR && prints->sheet && prints->match->vendor)
        it->matched = NPLUG_MATCHED_VENDOR;
    it->generic = !wires->sheet || wires->match->vendor == 0;
}

/* The surest rules that fit a node of a device, for wires and for prints. */
static void find_best(const np_recogniser *recogniser, const np_devices *devices, uint32_t node,
                      np_classified looks, best *wires, best *prints)
{
    const np_device *device = &devices->list[devices->nodes[node].device];
    uint32_t at = 0, stage = 0, code;
    const np_rule *rule;

    while ((rule = np_recognise_next(recogniser, device, &at, &stage))) {
        const nplug_rule *match = match_of(recogniser, rule);
        const nplug_sheet *sheet = np_rule_sheet(recogniser, rule);
        if (np_rule_misfit(match, devices, node, looks, &code) != NPLUG_RULE_FIELD_NONE) continue;
        if (tells_wires(sheet)) prefer(wires, sheet, match, rule->set);
        if (tells_prints(sheet)) prefer(prints, sheet, match, rule->set);
    }
}

/* Motion sensors and touch pads beside the chief have sheets of their own, of their own kind. */
static const nplug_sheet *sheet_beside(const np_recogniser *recogniser, const np_devices *devices,
                                       uint32_t node)
{
    np_classified looks = np_classify_by_signals(devices, node);
    best wires = {NULL, NULL, 0, 0}, prints = {NULL, NULL, 0, 0};

    if (looks.kind != NPLUG_KIND_MOTION && looks.kind != NPLUG_KIND_TOUCH) return NULL;
    find_best(recogniser, devices, node, looks, &wires, &prints);
    return wires.sheet && wires.sheet->kind == looks.kind ? wires.sheet : NULL;
}

void np_recognise(np_recogniser *recogniser, const np_devices *devices, uint32_t device)
{
    uint32_t chief = np_devices_chief(devices, device), at = devices->list[device].first_node;
    np_classified looks = np_classify_by_signals(devices, chief);
    best wires = {NULL, NULL, 0, 0}, prints = {NULL, NULL, 0, 0};

    find_best(recogniser, devices, chief, looks, &wires, &prints);
    if (!wires.sheet) looks.kind = np_classify_shape(devices, chief);
    choose(&recogniser->of[device], &wires, &prints, looks);
    recogniser->of[device].chief = chief;
    for (; at != NP_NONE; at = devices->nodes[at].next)
        recogniser->beside[at] = at == chief ? NULL : sheet_beside(recogniser, devices, at);
}
