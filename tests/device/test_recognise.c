/* Recognition: which sheet fits, what is done without one, what each quirk means, and why. */
#include "paper.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* --- without a sheet of its own --------------------------------------------------------------- */

static const struct {
    uint16_t vendor, product;
    const char *signals; /* see paper.h */
    const char *sheet, *family;
    nplug_device_kind kind;
    nplug_matched matched;
    uint16_t move;       /* this signal to its largest value ... */
    const char *control; /* ... moves this */
    float x, y;
} papers[] = {
    {1, 1,
     "3:0 -32768..32767; 3:1 -32768..32767; 3:3 -32768..32767; 3:4 -32768..32767; "
     "3:2 0..255; 3:5 0..255; 1:130; 1:131; 1:133; 1:134; 3:10 hat -1..1; 3:11 hat -1..1",
     "any-pad", "", NPLUG_KIND_PAD, NPLUG_MATCHED_CODES, 4, "pad:trigger-left", 1.0f, 0.0f},
    {0x045e, 1,
     "3:0 -32768..32767; 3:1 -32768..32767; 3:3 -32768..32767; 3:4 -32768..32767; "
     "3:2 0..255; 3:5 0..255; 1:130; 1:131; 1:133; 1:134",
     "any-pad", "letters", NPLUG_KIND_PAD, NPLUG_MATCHED_VENDOR, 3, "pad:stick-right", 0.0f, -1.0f},
    {1, 1,
     "3:0 -32768..32767; 3:1 -32768..32767; 3:2 -32768..32767; 3:5 -32768..32767; 1:130; "
     "1:131; 1:133; 1:134; 1:138; 1:139",
     "any-pad-z", "", NPLUG_KIND_PAD, NPLUG_MATCHED_CODES, 9, "pad:trigger-right", 1.0f, 0.0f},
    {1, 1,
     "3:0 -32768..32767; 3:1 -32768..32767; 3:2 0..255; 3:5 0..255; 3:9 0..1023; "
     "3:a 0..1023; 1:130; 1:131; 1:133; 1:134",
     "any-pad-pedals", "", NPLUG_KIND_PAD, NPLUG_MATCHED_CODES, 4, "pad:trigger-right", 1.0f, 0.0f},
    {1, 1,
     "3:0 -32768..32767; 3:1 -32768..32767; 3:3 -9..9; 3:4 -9..9; 3:14 0..99; 3:15 0..99; "
     "1:130; 1:131; 1:133; 1:134",
     "any-pad-hats", "", NPLUG_KIND_PAD, NPLUG_MATCHED_CODES, 5, "pad:trigger-left", 1.0f, 0.0f},
    {1, 1, "3:0 -32768..32767; 3:1 -32768..32767; 1:130; 1:131; 1:133; 1:134; 1:138; 1:220",
     "any-pad-buttons", "", NPLUG_KIND_PAD, NPLUG_MATCHED_CODES, 7, "pad:dpad-up", 1.0f, 0.0f},
    {1, 1,
     "3:0 -32768..32767; 3:1 -32768..32767; 3:2 0..255; 3:5 0..255; 1:130; 1:131; 1:133; "
     "1:134; 1:132; 1:135; 1:136",
     "any-pad-counted", "", NPLUG_KIND_PAD, NPLUG_MATCHED_CODES, 8, "pad:west", 1.0f, 0.0f},
    {1, 1, "w0:0 button 0..65535; w0:100 axis -32767..32767", "any-pad-w3c", "", NPLUG_KIND_PAD,
     NPLUG_MATCHED_CODES, 1, "pad:stick-left", 1.0f, 0.0f},
    {1, 1,
     "u1:30 axis 0..255; u1:31 axis 0..255; u1:32 axis 0..255; u1:35 axis 0..255; "
     "u9:1 axis 0..1; u9:2 axis 0..1; u9:3 axis 0..1; u9:4 axis 0..1",
     "any-pad-usages", "", NPLUG_KIND_PAD, NPLUG_MATCHED_USAGES, 3, "pad:stick-right", 0.0f, -1.0f},
    {1, 1, "3:0 -32768..32767; 3:1 -32768..32767; 3:6 0..255; 1:120; 1:121; 1:122; 1:123",
     "any-stick", "", NPLUG_KIND_STICK, NPLUG_MATCHED_CODES, 0, "stick:aileron", 1.0f, 0.0f},
    {1, 1, "3:8 0..65535; 3:9 0..255; 3:a 0..255; 1:150", "any-wheel", "", NPLUG_KIND_WHEEL,
     NPLUG_MATCHED_CODES, 1, "wheel:accelerator", 1.0f, 0.0f},
    {1, 1, "1:110 button; 2:0 delta; 2:1 delta; 2:b delta", "any-mouse-fine", "", NPLUG_KIND_MOUSE,
     NPLUG_MATCHED_CODES, 0, "mouse:left", 1.0f, 0.0f},
    {1, 1, "3:39 contact 0..65535; 3:35 position 0..1000; 3:36 position 0..500", "any-touch", "",
     NPLUG_KIND_TOUCH, NPLUG_MATCHED_CODES, 1, "touch:contact-1", 1.0f, 0.0f},
    {1, 1,
     "p0:0 axis 0..255 =127; p0:1 axis 0..255 =128; p0:2 axis 0..255 =0; p0:3 button; "
     "p0:4 button; p0:5 button; p0:6 button",
     "", "", NPLUG_KIND_PAD, NPLUG_MATCHED_SHAPE, 2, "pad:trigger-left", 1.0f, 0.0f},
    {1, 1, "p0:0 axis 0..255; p0:1 button", "", "", NPLUG_KIND_UNKNOWN, NPLUG_MATCHED_NONE, 0,
     "pad:south", 0.0f, 0.0f},
    {1, 1, "p0:0 odd 5..-5 =3", "", "", NPLUG_KIND_UNKNOWN, NPLUG_MATCHED_NONE, 0, "pad:south",
     0.0f, 0.0f},
};

TESTS(what_has_no_sheet_is_known_by_its_codes_or_its_shape, COUNT_OF(papers))
{
    NPLUG_SIZED(nplug_device_facts, info);
    paper_signal signals[20];
    uint16_t count = read_paper(papers[_i].signals, signals);
    paper_rig p;
    nplug_device device;
    nplug_vec2 value;

    open_paper(&p);
    device = plug_paper(&p, 3, papers[_i].vendor, papers[_i].product, 0, signals, count);
    ck_assert_int_eq(nplug_device_info(p.rig.nest, device, &info), NPLUG_OK);
    ck_assert_str_eq(info.sheet, papers[_i].sheet);
    ck_assert_str_eq(info.family, papers[_i].family);
    ck_assert_int_eq(info.kind, papers[_i].kind);
    ck_assert_int_eq(info.matched, papers[_i].matched);
    say(&p, 1000, papers[_i].move, signals[papers[_i].move].max);
    rig_step(&p.rig, 2000);
    value = rig_control(&p.rig, 0, papers[_i].control);
    ck_assert_float_eq(value.x, papers[_i].x);
    ck_assert_float_eq(value.y, papers[_i].y);
    rig_close(&p.rig);
}

/* --- rules ------------------------------------------------------------------------------------ */

static const uint32_t south_code[] = {EV(1, 0x130)};
static const nplug_wire south_wire[] = {{NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_SOUTH), 0,
                                         NPLUG_SPACE_EVDEV, EV(1, 0x130), 0, 0, 0, 0, 0, 0, 0}};

/* From the least to the most telling. */
static const nplug_rule ladder[] = {
    {0, 0, 0, 0, NPLUG_KIND_PAD, 0, 0, 0, NULL, NULL, 0, 0, 0},
    {0, 0, 0, 0, NPLUG_KIND_PAD, NPLUG_SPACE_EVDEV + 1, 1, 0, south_code, NULL, 0, 0, 0},
    {3, 0, 0, 0, NPLUG_KIND_PAD, 0, 0, 0, NULL, NULL, 0, 0, 0},
    {0, 0x77, 0, 0, NPLUG_KIND_PAD, 0, 0, 0, NULL, NULL, 0, 0, 0},
    {3, 0x77, 0, 0, NPLUG_KIND_PAD, 0, 0, 0, NULL, NULL, 0, 0, 0},
    {0, 0x77, 9, 0, 0, 0, 0, 0, NULL, NULL, 0, 0, 0},
    {3, 0x77, 9, 0, 0, 0, 0, 0, NULL, NULL, 0, 0, 0},
    {0, 0x77, 9, 4, 0, 0, 0, 0, NULL, NULL, 0, 0, 0},
    {3, 0x77, 9, 4, 0, 0, 0, 0, NULL, NULL, 0, 0, 0},
};

static nplug_sheet sheet_of(const char *name, const nplug_rule *match)
{
    nplug_sheet sheet = {.size = sizeof sheet,
                         .kind = NPLUG_KIND_PAD,
                         .name = name,
                         .family = "",
                         .rules = match,
                         .wires = south_wire,
                         .rule_count = 1,
                         .wire_count = 1};
    return sheet;
}

static const char *sheet_taken(paper_rig *p)
{
    static const paper_signal signals[] = {{BTN(0x130)}};
    static nplug_device_facts info;

    info.size = sizeof info;
    nplug_device_info(p->rig.nest, plug_paper(p, 3, 0x77, 9, 4, signals, 1), &info);
    return info.sheet;
}

/* In whatever order they are added, of those that fit the one that tells most wins. */
TESTS(the_most_telling_rule_wins, 30)
{
    static const char *const names[] = {"0", "1", "2", "3", "4", "5", "6", "7", "8"};
    nplug_sheet sheets[COUNT_OF(ladder)];
    unsigned best = 0, count = 0;
    paper_rig p;

    srand((unsigned)_i);
    open_paper(&p);
    for (unsigned i = 0; i < COUNT_OF(ladder); i++) {
        unsigned at = (i * 5u + (unsigned)_i) % COUNT_OF(ladder);
        if (rand() % 3 == 0) continue;
        sheets[count++] = sheet_of(names[at], &ladder[at]);
        if (at > best) best = at;
    }
    if (count) {
        ck_assert_int_eq(nplug_add_sheets(p.rig.nest, sheets, count), NPLUG_OK);
        ck_assert_str_eq(sheet_taken(&p), names[best]);
    }
    rig_close(&p.rig);
}

TEST(ties_are_refused_and_leave_the_rest_in_force)
{
    nplug_sheet good = sheet_of("good", &ladder[5]);
    nplug_sheet twins[2] = {sheet_of("a", &ladder[6]), sheet_of("b", &ladder[6])};
    nplug_sheet later = sheet_of("later", &ladder[5]);
    paper_rig p;

    open_paper(&p);
    ck_assert_int_eq(nplug_add_sheets(p.rig.nest, &good, 1), NPLUG_OK);
    ck_assert_int_eq(nplug_add_sheets(p.rig.nest, twins, 2), NPLUG_ERR_FORMAT);
    ck_assert_str_eq(sheet_taken(&p), "good");
    rig_close(&p.rig);
    open_paper(&p);
    nplug_add_sheets(p.rig.nest, &good, 1);
    ck_assert_int_eq(nplug_add_sheets(p.rig.nest, &later, 1), NPLUG_OK);
    ck_assert_str_eq(sheet_taken(&p), "later");
    rig_close(&p.rig);
}

TEST(a_sheet_among_thousands_is_found)
{
    static nplug_rule matches[2000];
    static nplug_sheet sheets[2000];
    nplug_limits limits = nplug_limits_default();
    paper_rig p;

    for (unsigned i = 0; i < 2000; i++) {
        matches[i].vendor = (uint16_t)(0x70 + i % 50);
        matches[i].product = (uint16_t)(1 + i / 50);
        sheets[i] = sheet_of(i == 7 + 50 * 8 ? "it" : "other", &matches[i]);
    }
    open_paper(&p);
    ck_assert_int_eq(nplug_add_sheets(p.rig.nest, sheets, 2000), NPLUG_ERR_FULL);
    ck_assert_str_eq(sheet_taken(&p), "any-pad-buttons");
    rig_close(&p.rig);
    limits.rules = 4000;
    memset(&p.port, 0, sizeof p.port);
    rig_open(&p.rig, NULL, &limits);
    nplug_attach(p.rig.nest, &hand_table, &p.port);
    ck_assert_int_eq(nplug_add_sheets(p.rig.nest, sheets, 2000), NPLUG_OK);
    ck_assert_str_eq(sheet_taken(&p), "it");
    rig_close(&p.rig);
}

/* What a rule weighs, as sheet.h says: product before vendor, version, bus, kind, code space, and
 * then how many signals are named; an axis's driver counts as two of them. */
static uint64_t plain_weight(const nplug_rule *match)
{
    const uint16_t parts[] = {match->product, match->vendor, match->version,
                              match->bus,     match->kind,   match->space};
    uint64_t weight = 0;

    for (size_t i = 0; i < COUNT_OF(parts); i++)
        weight = 2 * weight + (parts[i] != 0);
    return weight << 32 | (match->has_count + match->lacks_count + (match->axis ? 2u : 0u));
}

/* Hardware of which nobody ever thought: codes at random.  Of the sheets with wires whose rules
 * fit, one alone is the surest, and that one is taken. */
TESTS(of_the_rules_that_fit_one_sheet_is_the_surest, 20)
{
    static const uint16_t axes[] = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 0x28};
    static const uint16_t buttons[] = {0x120, 0x121, 0x122, 0x123, 0x12f, 0x130, 0x131, 0x132,
                                       0x133, 0x134, 0x135, 0x136, 0x137, 0x138, 0x139, 0x13a,
                                       0x13b, 0x13c, 0x150, 0x151, 0x220, 0x14a, 0x110, 0x2c0};
    uint32_t random = (uint32_t)_i * 2654435761u + 1, taken = 0;

    for (int turn = 0; turn < 60; turn++) {
        paper_signal signals[COUNT_OF(axes) + COUNT_OF(buttons) + 2];
        const char *surest = "";
        uint64_t most = 0;
        NPLUG_SIZED(nplug_rule_facts, rule);
        nplug_device device;
        uint16_t count = 0;
        paper_rig p;
        for (size_t i = 0; i < COUNT_OF(axes) + COUNT_OF(buttons) + 2; i++) {
            size_t b = i - COUNT_OF(axes);
            random = random * 1664525u + 1013904223u;
            if ((random >> 16) % 5 < 2) continue;
            if (i < COUNT_OF(axes))
                signals[count++] = (paper_signal){ABS(axes[i], 0, 255)};
            else if (b < COUNT_OF(buttons))
                signals[count++] = (paper_signal){BTN(buttons[b])};
            else
                signals[count++] = (paper_signal){HAT(0x10 + (b & 1))};
            if (random & 0x10000000) signals[count - 1].fuzz = 16, signals[count - 1].flat = 128;
        }
        open_paper(&p);
        device = plug_paper(&p, 3, 0x4242, 1, 0, signals, count);
        for (uint32_t i = 0; nplug_rule_info(p.rig.nest, device, i, &rule) == NPLUG_OK; i++) {
            const nplug_rule *match = &rule.sheet->rules[rule.rule];
            uint64_t weight = plain_weight(match);
            if (rule.misfit != NPLUG_RULE_FIELD_NONE ||
                !(rule.sheet->wire_count || rule.sheet->keys))
                continue;
            ck_assert_msg(weight != most || strcmp(rule.sheet->name, surest) == 0,
                          "%s and %s weigh the same", rule.sheet->name, surest);
            if (weight > most) surest = rule.sheet->name;
            if (weight > most) most = weight;
        }
        ck_assert_str_eq(look_paper(&p, device).sheet, surest);
        taken += *surest != 0;
        rig_close(&p.rig);
    }
    ck_assert_uint_gt(taken, 20);
}

/* All pairs of the built-in sheets' rules. */
TEST(no_two_built_in_rules_tie)
{
    static const uint32_t axes[] = {EV(3, 2), EV(3, 5)}, others[] = {EV(3, 3), EV(3, 9)};
    nplug_rule one = {
        .kind = NPLUG_KIND_PAD, .space = NPLUG_SPACE_EVDEV + 1, .has_count = 2, .has = axes};
    nplug_rule other = {.kind = NPLUG_KIND_PAD,
                        .space = NPLUG_SPACE_EVDEV + 1,
                        .has_count = 1,
                        .lacks_count = 1,
                        .has = others,
                        .lacks = others + 1};
    nplug_sheet a = sheet_of("a", &one), b = sheet_of("b", &other);
    uint32_t count;
    const nplug_sheet *sheets = nplug_builtin_sheets(&count);

    for (uint32_t i = 0; i < count; i++)
        for (uint32_t j = i + 1; j < count; j++)
            for (uint32_t r = 0; r < sheets[i].rule_count; r++)
                for (uint32_t q = 0; q < sheets[j].rule_count; q++)
                    ck_assert_msg(!nplug_rules_tie(&sheets[i], r, &sheets[j], q), "%s and %s",
                                  sheets[i].name, sheets[j].name);
    ck_assert(nplug_rules_tie(&a, 0, &b, 0)); /* a pad may have both axes and the other one */
    other.lacks = axes;
    ck_assert(!nplug_rules_tie(&a, 0, &b, 0)); /* one asks for what the other rules out */
    other.lacks = others + 1;
    other.vendor = 7;
    ck_assert(!nplug_rules_tie(&a, 0, &b, 0)); /* one is surer */
}

/* --- quirks ----------------------------------------------------------------------------------- */

/* A sheet with one wire, and what its control reads at some raw values. */
static const struct {
    const char *wire, *control;
    paper_signal signal;
    int32_t raw[4];
    float value[4];
} quirks[] = {
    {"\"trigger-left\": {\"plain\": 7, \"rest\": \"high\"}",
     "pad:trigger-left",
     {7, 0, NPLUG_NATURE_AXIS, 0, 1000, NO},
     {1000, 750, 0, 2000},
     {0, 0.25f, 1, 0}},
    {"\"trigger-left\": {\"plain\": 7, \"half\": \"low\"}",
     "pad:trigger-left",
     {7, 0, NPLUG_NATURE_AXIS, -100, 100, NO},
     {0, -50, -100, 80},
     {0, 0.5f, 1, 0}},
    {"\"trigger-left\": {\"plain\": 7, \"half\": \"high\", \"rest\": 20}",
     "pad:trigger-left",
     {7, 0, NPLUG_NATURE_AXIS, -100, 100, NO},
     {20, 60, 100, -80},
     {0, 0.5f, 1, 0}},
    {"\"trigger-left\": {\"plain\": 7, \"rest\": \"low\", \"range\": [10, 110]}",
     "pad:trigger-left",
     {7, 0, NPLUG_NATURE_AXIS, 0, 255, NO},
     {10, 60, 110, 200},
     {0, 0.5f, 1, 1}},
    {"\"trigger-left\": {\"plain\": 7, \"rest\": \"high\", \"first\": 0}",
     "pad:trigger-left",
     {7, 0, NPLUG_NATURE_AXIS, -128, 127, NO},
     {0, 126, 0, -128},
     {0, 1 / 255.0f, 127 / 255.0f, 1}},
    {"\"dpad-right\": {\"plain\": 7, \"side\": \"right\"}",
     "pad:dpad-right",
     {7, 0, NPLUG_NATURE_AXIS, 0, 7, NO},
     {2, 8, 3, 4},
     {1, 0, 1, 0}},
    {"\"dpad-up\": {\"plain\": 7, \"side\": \"up\"}",
     "pad:dpad-up",
     {7, 0, NPLUG_NATURE_AXIS, 1, 8, NO},
     {0, 1, 8, 5},
     {0, 1, 1, 0}},
    {"\"south\": {\"plain\": 7, \"when\": \"low\"}",
     "pad:south",
     {7, 0, NPLUG_NATURE_AXIS, 0, 100, NO},
     {50, 10, 90, 24},
     {0, 1, 0, 1}},
};

static nplug_sheet_file *sheet_with(const char *controls)
{
    char text[512];
    nplug_sheet_file *file;
    nplug_notes notes;

    snprintf(text, sizeof text,
             "{\"nestplug\": \"sheet\", \"version\": 1, \"name\": \"own\", \"kind\": \"pad\", "
             "\"match\": "
             "[{\"vendor\": \"0x0077\", \"product\": [\"0x0009\"]}], \"controls\": {%s}}",
             controls);
    if (nplug_sheet_file_parse(text, strlen(text), "own", &file, &notes) != NPLUG_OK)
        ck_abort_msg("%s: %s", controls, notes.note[0].text);
    return file;
}

TESTS(each_quirk_reads_as_its_sheet_says, COUNT_OF(quirks))
{
    nplug_sheet_file *file = sheet_with(quirks[_i].wire);
    paper_rig p;

    open_paper(&p);
    nplug_add_sheets(p.rig.nest, nplug_sheet_file_sheet(file), 1);
    plug_paper(&p, 3, 0x77, 9, 0, &quirks[_i].signal, 1);
    ck_assert_float_eq(rig_control(&p.rig, 0, quirks[_i].control).x, 0.0f);
    for (unsigned i = 0; i < 4; i++) {
        say(&p, 1000 + i, 0, quirks[_i].raw[i]);
        rig_step(&p.rig, 1000 + i);
        ck_assert_float_eq_tol(rig_control(&p.rig, 0, quirks[_i].control).x, quirks[_i].value[i],
                               1e-6f);
    }
    rig_close(&p.rig);
    nplug_sheet_file_free(file);
}

/* --- why -------------------------------------------------------------------------------------- */

typedef struct heard {
    char text[8192];
    unsigned wins;
} heard;

static void hear(void *user, const nplug_reason *reason)
{
    heard *all = (heard *)user;
    size_t used = strlen(all->text);

    all->wins += reason->wins;
    snprintf(all->text + used, sizeof all->text - used, "%s %s\n", reason->sheet, reason->text);
}

TEST(an_explanation_names_what_was_compared)
{
    static const paper_signal signals[] = {{BTN(0x130)},   {ABS(0, 0, 9)}, {ABS(1, 0, 9)},
                                           {ABS(2, 0, 9)}, {ABS(5, 0, 9)}, {ABS(3, 0, 9)}};
    static const paper_signal box[] = {{3, 0, NPLUG_NATURE_BUTTON, 0, 1, NO}};
    heard all = {"", 0};
    nplug_device device;
    paper_rig p;

    open_paper(&p);
    device = plug_paper(&p, 3, 0xb12d, 0x0999, 0, signals, 6);
    ck_assert_int_eq(nplug_explain(p.rig.nest, device, hear, &all), NPLUG_OK);
    ck_assert_ptr_nonnull(
        strstr(all.text, "heron does not fit: product 0x0101 is wanted, this is 0x0999"));
    ck_assert_ptr_nonnull(strstr(all.text, "any-pad fits by kind, code space; it gives the wires"));
    ck_assert_ptr_nonnull(strstr(all.text, "any-pad-z does not fit: it must not have"));
    ck_assert_ptr_nonnull(strstr(all.text, "recognised by system codes as: pad"));
    ck_assert_uint_eq(all.wins, 1);
    ck_assert_int_eq(nplug_explain(p.rig.nest, 77, hear, &all), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_explain(p.rig.nest, device, NULL, &all), NPLUG_ERR_ARGUMENT);
    rig_close(&p.rig);
    memset(&all, 0, sizeof all);
    open_paper(&p);
    device = plug_paper(&p, 3, 1, 1, 0, box, 1);
    nplug_explain(p.rig.nest, device, hear, &all);
    ck_assert_ptr_nonnull(strstr(all.text, "It was not recognised"));
    ck_assert_ptr_nonnull(strstr(all.text, "Learn a sheet"));
    ck_assert_uint_eq(all.wins, 0);
    rig_close(&p.rig);
}
