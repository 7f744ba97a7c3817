/* Recognition: which sheet's wires make a device's controls, and which sheet's prints they bear. */
#ifndef NP_RECOGNISE_H
#define NP_RECOGNISE_H

#include "devices.h"
#include "nestplug/device.h"
#include "nestplug/sheet.h"

#define NP_SHEET_SETS 5

typedef struct np_recognition {
    const nplug_sheet *sheet;  /* whose wires; NULL: none, or by its shape */
    const nplug_sheet *prints; /* whose family and prints; NULL where nobody knows */
    nplug_matched matched;
    nplug_kind kind;
    uint32_t chief; /* the node that makes it what it is */
    bool generic;   /* whoever knew the wires did not know the device: no vendor, or no sheet */
} np_recognition;

/* Which of south and east confirms. */
static inline unsigned np_recognition_confirm(const np_recognition *it)
{
    return it->prints && it->prints->confirm ? it->prints->confirm : NPLUG_PAD_SOUTH;
}

/* What a node looks like, whatever its numbers. */
typedef struct np_looks {
    nplug_kind kind;
    nplug_space space; /* of most of its signals */
} np_looks;

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

void np_recognise_layout(np_recogniser *recogniser, np_carve *carve, const nplug_limits *limits);

/* Adds a set; NPLUG_ERR_FULL where there is no room for it or its rules, NPLUG_ERR_FORMAT where two
 * of its sheets have rules of one weight that could both fit a device. */
nplug_result np_recognise_add(np_recogniser *recogniser, const nplug_sheet *sheets, uint32_t count);

/* Finds the sheets of a device and of its nodes, and keeps them. */
void np_recognise(np_recogniser *recogniser, const np_devices *devices, uint32_t device);

/* The rules by which a device may be known, one bucket after the other: *at begins as 0; NULL at
 * the end. */
const np_rule *np_recognise_next(const np_recogniser *recogniser, const np_device *device,
                                 uint32_t *at, uint32_t *stage);
static inline const nplug_sheet *np_rule_sheet(const np_recogniser *recogniser, const np_rule *rule)
{
    return &recogniser->sets[rule->set].sheets[rule->sheet];
}

/* The first part of a rule that does not fit a node, NPLUG_RULE_FITS where all do; of
 * NPLUG_RULE_HAS and NPLUG_RULE_LACKS which code in *code. */
nplug_rule_part np_rule_misfit(const nplug_match *match, const np_devices *devices, uint32_t node,
                               np_looks looks, uint32_t *code);

/* How much a rule that fits tells: the larger the surer. */
uint32_t np_rule_weight(const nplug_match *match);

#endif
