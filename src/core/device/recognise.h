/* Recognition: what a node is by itself, and which sheets a device has (classify.c, recognise.c). A
 * part of device.h. */
#ifndef NP_RECOGNISE_H
#define NP_RECOGNISE_H

/* --- what a node is by itself (classify.c) ------------------------------------------------------
 */

/* What a node looks like, whatever its numbers. */
typedef struct np_classified {
    nplug_device_kind kind;
    nplug_space space; /* of most of its signals */
} np_classified;

/* What a node looks like by its signals alone: its kind, and, where no sheet tells the wires, the
 * shape by which its axes and buttons are guessed. */
np_classified np_classify_by_signals(const np_devices *devices, uint32_t node);

/* NPLUG_KIND_PAD where the shape is a pad's, NPLUG_KIND_UNKNOWN where it is nothing's. */
nplug_device_kind np_classify_shape(const np_devices *devices, uint32_t node);

/* What a node looks like by its codes and properties, else by its shape. */
nplug_device_kind np_classify_node(const np_devices *devices, uint32_t node);

/* The wires that the shape of a signal's node gives to the signal: starts with *nth = 0, false at
 * the end. */
bool np_classify_wire(const np_devices *devices, uint32_t signal, uint32_t *nth, nplug_wire *wire);

/* --- which sheet (recognise.c) ------------------------------------------------------------------
 */

/* Recognition: which sheet's wires make a device's controls, and which sheet's prints they bear. */
#define NP_SHEET_SETS 5

typedef struct np_recognition {
    const nplug_sheet *sheet;  /* whose wires; NULL: none, or by its shape */
    const nplug_sheet *prints; /* whose family and prints; NULL where nobody knows */
    nplug_matched matched;
    nplug_device_kind kind;
    uint32_t chief; /* the node that makes it what it is */
    bool generic;   /* whoever knew the wires did not know the device: no vendor, or no sheet */
} np_recognition;

/* Whether a number is the kind of a hand: a controller that one hand holds. */
static inline bool np_kind_is_hand(uint32_t kind)
{
    return kind == NPLUG_KIND_HAND_LEFT || kind == NPLUG_KIND_HAND_RIGHT;
}

/* Which of south and east confirms. */
static inline unsigned np_recognition_confirm(const np_recognition *it)
{
    return it->prints && it->prints->confirm ? it->prints->confirm : NPLUG_PAD_SOUTH;
}

/* A rule of some sheet, as the index keeps it. */
typedef struct np_rule {
    uint16_t set, sheet, match;
    uint16_t next; /* in its bucket, NP_NO_RULE at the end */
} np_rule;
#define NP_NO_RULE 0xffffu

typedef struct np_recogniser {
    struct {
        const nplug_sheet *sheets;
        uint32_t count;
    } sets[NP_SHEET_SETS];
    uint32_t set_count;
    np_rule *rules; /* all sets' rules, in order */
    uint32_t rule_limit, rule_count;
    uint16_t *buckets; /* by vendor and product */
    uint32_t bucket_mask;
    np_recognition *of;         /* by device */
    const nplug_sheet **beside; /* by node that is not its device's chief: whose wires it has */
} np_recogniser;

void np_recognise_layout(np_recogniser *recogniser, np_arena *arena, const nplug_limits *limits);

/* Adds a set; NPLUG_ERR_FULL where there is no room for it or its rules, NPLUG_ERR_FORMAT where two
 * of its sheets have rules of one weight that could both fit a device. */
nplug_result np_recognise_add(np_recogniser *recogniser, const nplug_sheet *sheets, uint32_t count);

/* The sheet that tells most of a family's prints; NULL: none is of it. */
const nplug_sheet *np_recognise_family(const np_recogniser *recogniser, const char *family);

/* Rows of a sheet's tables, and of several sheets, whatever the size that their program knows. */
static inline const void *np_table_row(const void *rows, uint32_t size, size_t known, size_t number)
{
    return (const char *)rows + number * (size ? size : known);
}

static inline const nplug_sheet *np_sheet_row(const nplug_sheet *sheets, uint32_t number)
{
    return (const nplug_sheet *)np_table_row(sheets, sheets->size, sizeof *sheets, number);
}

static inline const nplug_rule *np_rule_row(const nplug_sheet *sheet, uint32_t number)
{
    return (const nplug_rule *)np_table_row(sheet->rules, sheet->rule_size, sizeof(nplug_rule),
                                            number);
}

static inline const nplug_wire *np_wire_row(const nplug_sheet *sheet, uint32_t number)
{
    return (const nplug_wire *)np_table_row(sheet->wires, sheet->wire_size, sizeof(nplug_wire),
                                            number);
}

static inline const nplug_print *np_print_row(const nplug_sheet *sheet, uint32_t number)
{
    return (const nplug_print *)np_table_row(sheet->prints, sheet->print_size, sizeof(nplug_print),
                                             number);
}

/* Finds the sheets of a device and of its nodes, and keeps them. */
void np_recognise(np_recogniser *recogniser, const np_devices *devices, uint32_t device);

/* The rules by which a device may be known, one bucket after the other: *at begins as 0; NULL at
 * the end. */
const np_rule *np_recognise_next(const np_recogniser *recogniser, const np_device *device,
                                 uint32_t *at, uint32_t *stage);
static inline const nplug_sheet *np_rule_sheet(const np_recogniser *recogniser, const np_rule *rule)
{
    return np_sheet_row(recogniser->sets[rule->set].sheets, rule->sheet);
}

/* The first part of a rule that does not fit a node, NPLUG_RULE_FIELD_NONE where all do; of
 * NPLUG_RULE_FIELD_HAS and NPLUG_RULE_FIELD_LACKS which code in *code. */
nplug_rule_field np_rule_misfit(const nplug_rule *match, const np_devices *devices, uint32_t node,
                                np_classified looks, uint32_t *code);

/* How much a rule that fits tells: the larger the surer. */
uint32_t np_rule_weight(const nplug_rule *match);

#endif
