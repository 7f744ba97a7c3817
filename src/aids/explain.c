/* Why a device was recognised as what it is. */
#include "core/base/base.h"
#include "nestplug/device.h"
#include "nestplug/sheet.h"
#include <string.h>

/* Who is told, about what. */
typedef struct teller {
    const nplug_nest *nest;
    nplug_device_facts about;
    nplug_rule_facts rule; /* the one that is told; its looks are the device's */
    nplug_hear hear;
    void *user;
} teller;

static void tell(const teller *to, const char *text)
{
    nplug_reason reason = {(uint32_t)sizeof reason, "", 0, false, false, text};
    to->hear(to->user, &reason);
}

static void add_pair(np_text *text, const char *word, const char *value)
{
    np_text_add(text, word);
    np_text_add(text, value);
}

static void add_id(np_text *text, const char *word, uint32_t number)
{
    np_text_add(text, word);
    np_text_add(text, "0x");
    np_text_add_hex(text, number, 4);
}

static void tell_looks(const teller *to)
{
    char line[256];
    np_text text = np_text_in(line, sizeof line);

    add_id(&text, "It says bus ", to->about.bus);
    add_id(&text, ", vendor ", to->about.vendor);
    add_id(&text, ", product ", to->about.product);
    add_id(&text, ", version ", to->about.version);
    np_text_add(&text, ".");
    tell(to, line);
    text = np_text_in(line, sizeof line);
    np_text_add(&text, "It has ");
    np_text_add_number(&text, to->about.signals);
    add_pair(&text, " signals, most of them of code space ",
             nplug_space_name((nplug_space)to->rule.space));
    if (to->rule.looks != NPLUG_KIND_UNKNOWN)
        add_pair(&text, "; by them it looks like: ", nplug_kind_name(to->rule.looks));
    else
        np_text_add(&text, "; by their codes they look like no kind of device");
    np_text_add(&text, ".");
    tell(to, line);
}

/* --- rules ---------------------------------------------------------------------------------- */

static void add_numbers(np_text *text, const char *part, uint32_t wanted, uint32_t is)
{
    add_id(text, part, wanted);
    add_id(text, " is wanted, this is ", is);
}

static void add_code(np_text *text, const char *words, uint32_t code)
{
    np_text_add(text, words);
    np_text_add(text, "0x");
    np_text_add_hex(text, code, 8);
}

/* What a rule compared where it did not fit. */
static void add_misfit(np_text *text, const teller *to, const nplug_rule *match,
                       nplug_rule_field part, uint32_t code)
{
    switch (part) {
    case NPLUG_RULE_FIELD_PRODUCT:
        add_numbers(text, "product ", match->product, to->about.product);
        break;
    case NPLUG_RULE_FIELD_VENDOR:
        add_numbers(text, "vendor ", match->vendor, to->about.vendor);
        break;
    case NPLUG_RULE_FIELD_VERSION:
        add_numbers(text, "version ", match->version, to->about.version);
        break;
    case NPLUG_RULE_FIELD_BUS:
        add_numbers(text, "bus ", match->bus, to->about.bus);
        break;
    case NPLUG_RULE_FIELD_KIND:
        add_pair(text, "kind ", nplug_kind_name((nplug_device_kind)match->kind));
        add_pair(text, " is wanted, this looks like ", nplug_kind_name(to->rule.looks));
        break;
    case NPLUG_RULE_FIELD_SPACE:
        add_pair(text, "code space ", nplug_space_name((nplug_space)(match->space - 1u)));
        add_pair(text, " is wanted, this has ", nplug_space_name((nplug_space)to->rule.space));
        break;
    case NPLUG_RULE_FIELD_HAS:
        add_code(text, "it has no signal of code ", code);
        break;
    case NPLUG_RULE_FIELD_AXIS:
        add_code(text, "its driver is another one, by fuzz and flat of code ", code);
        break;
    default:
        add_code(text, "it must not have the signal of code ", code);
        break;
    }
}

static void add_part(np_text *text, bool named, const char *word, bool *any)
{
    if (!named) return;
    np_text_add(text, *any ? ", " : " ");
    np_text_add(text, word);
    *any = true;
}

static void add_what_fits(np_text *text, const nplug_rule *match)
{
    bool any = false;

    add_part(text, match->product != 0, "product", &any);
    add_part(text, match->vendor != 0, "vendor", &any);
    add_part(text, match->version != 0, "version", &any);
    add_part(text, match->bus != 0, "bus", &any);
    add_part(text, match->kind != 0, "kind", &any);
    add_part(text, match->space != 0, "code space", &any);
    add_part(text, match->has_count + match->lacks_count + (match->axis != 0) != 0, "signals",
             &any);
}

static const char *rank_of(const nplug_rule_facts *rule)
{
    if (rule->gives_wires && rule->gives_prints) return "; it gives wires and prints";
    if (rule->gives_wires) return "; it gives the wires";
    if (rule->gives_prints) return "; it gives the prints";
    return "; a surer rule wins";
}

static void tell_rule(const teller *to)
{
    const nplug_rule_facts *rule = &to->rule;
    const nplug_rule *match = &rule->sheet->rules[rule->rule];
    char line[256];
    np_text text = np_text_in(line, sizeof line);
    nplug_reason reason = {(uint32_t)sizeof reason,
                           rule->sheet->name,
                           rule->rule,
                           rule->misfit == NPLUG_RULE_FIELD_NONE,
                           false,
                           line};

    if (reason.fits) {
        np_text_add(&text, "fits by");
        add_what_fits(&text, match);
        np_text_add(&text, rank_of(rule));
        reason.wins = rule->gives_wires || rule->gives_prints;
    } else {
        np_text_add(&text, "does not fit: ");
        add_misfit(&text, to, match, rule->misfit, rule->code);
    }
    to->hear(to->user, &reason);
}

/* Rules that ask for another vendor are only counted; those of the same vendor are told, since they
 * are the ones that people wonder about. */
static void tell_rules(teller *to)
{
    uint32_t others = 0;
    char line[128];
    np_text text = np_text_in(line, sizeof line);

    for (uint32_t i = 0; nplug_rule_info(to->nest, to->about.device, i, &to->rule) == NPLUG_OK;
         i++) {
        uint16_t vendor = to->rule.sheet->rules[to->rule.rule].vendor;
        if (vendor != 0 && vendor != to->about.vendor)
            others++;
        else
            tell_rule(to);
    }
    np_text_add_number(&text, others);
    np_text_add(&text, " more rules ask for other vendors.");
    tell(to, line);
}

/* --- what it came to ------------------------------------------------------------------------ */

/* Signals of which no control comes. */
static uint32_t count_unread(const teller *to)
{
    NPLUG_SIZED(nplug_signal_facts, info);
    uint32_t count = 0;

    for (uint32_t i = 0; nplug_signal_info(to->nest, to->about.device, i, &info) == NPLUG_OK; i++)
        count += !info.read;
    return count;
}

static void tell_result(const teller *to)
{
    char line[256];
    np_text text = np_text_in(line, sizeof line);

    if (to->about.matched == NPLUG_MATCHED_NONE) {
        tell(to,
             "It was not recognised: no rule fits, and its shape is no pad's (two axes that rest "
             "in their middle and four buttons are).");
        return;
    }
    add_pair(&text, "It was recognised by ", nplug_matched_name(to->about.matched));
    add_pair(&text, " as: ", nplug_kind_name(to->about.kind));
    np_text_add(&text, ". ");
    np_text_add_number(&text, to->about.controls);
    np_text_add(&text, " controls; ");
    np_text_add_number(&text, count_unread(to));
    np_text_add(&text, " of its signals move none.");
    tell(to, line);
}

/* The names of those of a device's controls of which something holds. */
static bool add_controls(np_text *text, const teller *to,
                         bool (*holds)(const nplug_control_facts *))
{
    NPLUG_SIZED(nplug_control_facts, info);
    bool any = false;

    for (uint32_t i = 0; nplug_control_info(to->nest, to->about.device, i, &info) == NPLUG_OK;
         i++) {
        char name[64];
        if (!holds(&info)) continue;
        nplug_control_name(info.control, name, sizeof name);
        np_text_add(text, any ? ", " : " ");
        np_text_add(text, name);
        any = true;
    }
    return any;
}

static bool is_guess(const nplug_control_facts *info)
{
    return info->guess;
}

static bool lies(const nplug_control_facts *info)
{
    return info->lies;
}

/* What is a guess, and what lay elsewhere than expected. */
static void tell_doubts(const teller *to)
{
    char line[1024];
    np_text text = np_text_in(line, sizeof line);

    np_text_add(&text, "A guess, since no code says which is where:");
    if (add_controls(&text, to, is_guess)) {
        np_text_add(&text, ".");
        tell(to, line);
    }
    text = np_text_in(line, sizeof line);
    np_text_add(&text, "Taken to rest where it lay when it came, not where its sheet expects:");
    if (!add_controls(&text, to, lies)) return;
    np_text_add(&text, ".");
    tell(to, line);
}

static void add_nodes(np_text *text, const teller *to)
{
    NPLUG_SIZED(nplug_signal_facts, info);
    uint32_t told = 0;

    for (uint32_t i = 0; nplug_signal_info(to->nest, to->about.device, i, &info) == NPLUG_OK; i++) {
        if (info.node + 1 == told) continue;
        np_text_add(text, told ? ", " : " ");
        np_text_add(text, info.node_kind == NPLUG_KIND_UNKNOWN ? "one of no known kind"
                                                               : nplug_kind_name(info.node_kind));
        if (info.chief) np_text_add(text, " (which makes it what it is)");
        told = info.node + 1;
    }
}

static bool has_nodes(const teller *to)
{
    NPLUG_SIZED(nplug_signal_facts, info);

    for (uint32_t i = 0; nplug_signal_info(to->nest, to->about.device, i, &info) == NPLUG_OK; i++)
        if (info.node) return true;
    return false;
}

static void tell_nodes(const teller *to)
{
    char line[256];
    np_text text = np_text_in(line, sizeof line);

    if (!has_nodes(to)) return;
    np_text_add(&text, "Its nodes:");
    add_nodes(&text, to);
    np_text_add(&text, ". Each is read by itself.");
    tell(to, line);
}

/* How large a touch surface is, where its hardware says in which unit it counts. */
static void tell_surface(const teller *to)
{
    uint32_t millimetres[2] = {0, 0}, found = 0;
    NPLUG_SIZED(nplug_signal_facts, info);
    char line[96];
    np_text text = np_text_in(line, sizeof line);

    for (uint32_t i = 0;
         found < 2 && nplug_signal_info(to->nest, to->about.device, i, &info) == NPLUG_OK; i++)
        if (info.nature == NPLUG_NATURE_POSITION && info.resolution > 0)
            millimetres[found++] =
                (uint32_t)((int64_t)info.max - info.min) / (uint32_t)info.resolution;
    if (found < 2) return;
    np_text_add(&text, "Its touch surface is ");
    np_text_add_number(&text, millimetres[0]);
    np_text_add(&text, " mm wide and ");
    np_text_add_number(&text, millimetres[1]);
    np_text_add(&text, " mm high.");
    tell(to, line);
}

/* What it can do for the game; of what could rumble also that it does not. */
static void tell_abilities(const teller *to)
{
    bool could = to->about.kind == NPLUG_KIND_PAD || to->about.kind == NPLUG_KIND_HAND_LEFT ||
                 to->about.kind == NPLUG_KIND_HAND_RIGHT;

    if (to->about.rumbles && to->about.lights)
        tell(to, "It rumbles, and has lights that say whose it is.");
    else if (to->about.rumbles)
        tell(to, "It rumbles.");
    else if (could && !to->about.unreadable)
        tell(to, to->about.lights ? "It has lights that say whose it is; it does not rumble."
                                  : "It does not rumble, as far as its driver tells.");
}

static void tell_advice(const teller *to)
{
    switch (to->about.matched) {
    case NPLUG_MATCHED_NUMBERS:
    case NPLUG_MATCHED_NO_BUS:
        tell(to, "Its sheet is for just this device: if a control is wrong, the sheet is.");
        break;
    case NPLUG_MATCHED_SHAPE:
        tell(to, "Which button is where is a guess: try each, and learn a sheet if one is wrong.");
        break;
    case NPLUG_MATCHED_NONE:
        tell(to, to->about.unreadable
                     ? "It may not be read: a matter of permissions. Then plug it in again."
                     : "Learn a sheet for it (nplug_learn, or nestplug learn); until then its "
                       "signals can be read raw.");
        break;
    default:
        tell(to, "Its controls come from open numbers that its maker may have used otherwise: if "
                 "one is wrong, learn a sheet.");
        break;
    }
}

nplug_result nplug_explain(const nplug_nest *nest, nplug_device device, nplug_hear hear, void *user)
{
    nplug_result known;
    teller to;

    if (!nest || !hear) return NPLUG_ERR_ARGUMENT;
    memset(&to, 0, sizeof to);
    to.about.size = (uint32_t)sizeof to.about;
    to.rule.size = (uint32_t)sizeof to.rule;
    known = nplug_device_info(nest, device, &to.about);
    if (known == NPLUG_OK) known = nplug_rule_info(nest, device, 0, &to.rule);
    if (known != NPLUG_OK) return known;
    to.nest = nest;
    to.hear = hear;
    to.user = user;
    tell_looks(&to);
    tell_rules(&to);
    tell_result(&to);
    tell_nodes(&to);
    tell_surface(&to);
    tell_abilities(&to);
    tell_doubts(&to);
    tell_advice(&to);
    return NPLUG_OK;
}
