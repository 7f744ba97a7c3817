/* What a control is shown as: printed, by its family, by its place, or by its name. */
#include "nestplug/control.h"
#include "prompts.h"
#include <string.h>

static bool is_key(nplug_control control)
{
    return NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_KEY ||
           NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_KEY_LABEL;
}

/* The name after its class. */
static const char *bare_name(nplug_control control, char name[64])
{
    const char *colon;

    if (nplug_control_name(control, name, 64) == 0) return "?";
    colon = strchr(name, ':');
    return colon ? colon + 1 : name;
}

/* Of a single axis ways are its ends. */
static const char *way_of(const nplug_prompt_part *part)
{
    unsigned components;

    nplug_control_nature(part->control, &components);
    if (components > 1) return nplug_way_name(part->way);
    return part->way == NPLUG_WAY_RIGHT ? "high" : "low";
}

/* At a picture's name's end. */
static void add_way_name(nq_text *picture, const nplug_prompt_part *part)
{
    if (part->way < NPLUG_WAY_RIGHT) return;
    nq_text_add(picture, "-");
    nq_text_add(picture, way_of(part));
}

/* --- keys ---------------------------------------------------------------------------------------
 */

/* The letter or sign that a label names, as a cap shows it: of letters the capital, which stands 32
 * before (ASCII, Latin-1 and Greek: no label is beyond U+03FF). */
static void add_sign(nq_text *text, nplug_control label)
{
    uint32_t point = NPLUG_CONTROL_INDEX(label);
    char bytes[2];

    if ((point >= 'a' && point <= 'z') || (point >= 0xe0 && point <= 0xfe && point != 0xf7) ||
        (point >= 0x3b1 && point <= 0x3c9 && point != 0x3c2))
        point -= 32;
    bytes[0] = (char)(point < 0x80 ? point : 0xc0u | point >> 6);
    bytes[1] = (char)(0x80u | (point & 0x3fu));
    nq_text_add_some(text, bytes, point < 0x80 ? 1 : 2);
}

/* What a key of the keyboard bears on which a label stands, as it stands there (a digit's key may
 * type a small letter with an accent); false where no key has it. */
static bool print_of_label(const nq_view *view, nplug_control label, nq_text *text)
{
    NPLUG_SIZED(nplug_control_facts, key);
    char name[64] = "key-label:";
    size_t head = strlen(name);

    for (uint32_t i = 0; nplug_control_info(view->nest, view->device, i, &key) == NPLUG_OK; i++) {
        size_t length =
            nplug_key_label(view->nest, view->device, key.control, name + head, sizeof name - head);
        if (length == 0 || length >= sizeof name - head) continue;
        if (nplug_control_named(name) != label) continue;
        nq_text_add(text, name + head);
        return true;
    }
    return false;
}

/* What is printed on a key by the person's layout; false where its port does not know. */
static bool print_of_key(const nq_view *view, nplug_prompt_part *part)
{
    nq_text text = nq_text_in(part->label, sizeof part->label);
    char name[64], label[40];

    if (NPLUG_CONTROL_CLASS(part->control) == NPLUG_CLASS_KEY_LABEL) {
        if (!print_of_label(view, part->control, &text)) add_sign(&text, part->control);
        return true;
    }
    if (!view->device ||
        nplug_key_label(view->nest, view->device, part->control, label, sizeof label) == 0)
        return false;
    if (strcmp(label, bare_name(part->control, name)) == 0 && label[1]) return false;
    nq_text_add(&text, label);
    return true;
}

/* KeyW is W, Digit1 is 1, Numpad7 is 7 on the keypad: as most keyboards have it. */
static void name_key(nplug_prompt_part *part)
{
    char name[64];
    const char *bare = bare_name(part->control, name);
    nq_text label = nq_text_in(part->label, sizeof part->label);

    if (strncmp(bare, "Key", 3) == 0 && bare[3] && !bare[4])
        nq_text_add(&label, bare + 3);
    else if (strncmp(bare, "Digit", 5) == 0)
        nq_text_add(&label, bare + 5);
    else
        nq_text_add(&label, bare);
}

static void label_key(const nq_view *view, nplug_prompt_part *part)
{
    nq_text label = nq_text_in(part->label, sizeof part->label);
    nq_text words = nq_text_in(part->words, sizeof part->words);

    strcpy(part->picture, "key");
    part->certain = NPLUG_CERTAINTY_PRINTED;
    if (nq_words_of(view->language, part->control, &label, &words)) return;
    if (!print_of_key(view, part)) {
        name_key(part);
        part->certain = NPLUG_CERTAINTY_NAME;
    }
    nq_text_fill(&words, nq_word(view->language, "key", true), part->label, NULL);
}

/* --- zones ---------------------------------------------------------------------------------------
 */

/* What a finger does to an area, by the end of its control's name: "zone:4-swipe". */
static const char *const deeds[] = {"-tap", "-swipe", "-pinch", "-turn"};
#define DEEDS (sizeof deeds / sizeof *deeds)

/* Which zone a control of a zone is of, from 0, and what is done to it (DEEDS: nothing of those);
 * false where it is none. */
static bool zone_of(nplug_control control, uint32_t *zone, size_t *deed)
{
    char name[64];
    const char *at;

    if (NPLUG_CONTROL_CLASS(control) != NPLUG_CLASS_ZONE) return false;
    at = bare_name(control, name);
    for (*zone = 0; *at >= '0' && *at <= '9'; at++)
        *zone = 10 * *zone + (uint32_t)(*at - '0');
    *deed = 0;
    while (*deed < DEEDS && strcmp(deeds[*deed], at) != 0)
        ++*deed;
    if (*zone == 0) return false;
    --*zone;
    return true;
}

/* A tap on an area needs no word: as any zone, it is touched. */
static void name_zone(const char *name, size_t deed, const nplug_language *language,
                      nplug_prompt_part *part)
{
    const char *thing = deed && deed < DEEDS ? deeds[deed] + 1 : NULL;
    nq_text picture = nq_text_in(part->picture, sizeof part->picture);
    nq_text label = nq_text_in(part->label, sizeof part->label);
    nq_text words = nq_text_in(part->words, sizeof part->words);

    nq_text_add(&picture, "zone-");
    nq_text_add(&picture, name);
    if (deed < DEEDS) nq_text_add(&picture, deeds[deed]);
    add_way_name(&picture, part);
    nq_text_fill(&label, thing ? nq_word(language, thing, false) : "{0}", name, NULL);
    nq_text_fill(&words, thing ? nq_word(language, thing, true) : "{0}", name, NULL);
    part->certain = NPLUG_CERTAINTY_PRINTED;
}

/* The zone of a surface that is a control, or stands for it; false where there is none. */
static bool label_zone(const nq_view *view, nplug_prompt_part *part)
{
    NPLUG_SIZED(nplug_zone_facts, zone);
    size_t deed = DEEDS;
    uint32_t own = NPLUG_NO_ZONE;
    bool is_zone = zone_of(part->control, &own, &deed);

    for (uint32_t z = 0; nplug_zone_info(view->nest, view->device, z, &zone) == NPLUG_OK; z++) {
        if (is_zone ? z != own : zone.control != part->control) continue;
        name_zone(zone.name, deed, view->language, part);
        return true;
    }
    return false;
}

/* --- all others ---------------------------------------------------------------------------------
 */

static void name_picture(nplug_prompt_part *part)
{
    char name[64] = "";
    nq_text picture = nq_text_in(part->picture, sizeof part->picture);

    nplug_control_name(part->control, name, sizeof name);
    for (char *at = name; *at; at++)
        if (*at == ':') *at = '-';
    nq_text_add(&picture, name);
    add_way_name(&picture, part);
}

/* A text, by a pattern around it. */
static void put_around(const char *pattern, char *text, size_t size)
{
    char inner[64];
    nq_text outer;

    strcpy(inner, text);
    outer = nq_text_in(text, size);
    nq_text_fill(&outer, pattern, inner, NULL);
}

/* One direction, one number of two, or one end of an axis. */
static void add_way(const nplug_language *language, nplug_prompt_part *part)
{
    const char *thing = part->way == NPLUG_WAY_X   ? "across"
                        : part->way == NPLUG_WAY_Y ? "along"
                                                   : way_of(part);

    if (part->way == NPLUG_WAY_WHOLE || part->way > NPLUG_WAY_DOWN) return;
    put_around(nq_word(language, thing, false), part->label, sizeof part->label);
    put_around(nq_word(language, thing, true), part->words, sizeof part->words);
}

/* What is printed on a control, by the device's own sheet or its family's; "". */
static const char *print_of(const nq_view *view, nplug_control control)
{
    const nplug_sheet *sheet = view->prints;
    uint32_t size = sheet && sheet->print_size ? sheet->print_size : sizeof(nplug_print);

    if (view->device) return nplug_control_print(view->nest, view->device, control);
    for (uint32_t i = 0; sheet && i < sheet->print_count; i++) {
        const nplug_print *print =
            (const nplug_print *)(const void *)((const char *)sheet->prints + i * size);
        if (print->control == control) return print->text;
    }
    return "";
}

/* How sure a print is. */
static nplug_certainty certainty_of(const nq_view *view)
{
    NPLUG_SIZED(nplug_device_facts, info);

    if (nplug_device_info(view->nest, view->device, &info) != NPLUG_OK)
        return NPLUG_CERTAINTY_FAMILY;
    return info.matched <= NPLUG_MATCHED_NO_BUS && info.matched != NPLUG_MATCHED_NONE
               ? NPLUG_CERTAINTY_PRINTED
               : NPLUG_CERTAINTY_FAMILY;
}

static void label_other(const nq_view *view, nplug_prompt_part *part)
{
    const char *print = print_of(view, part->control);
    nq_text label = nq_text_in(part->label, sizeof part->label);
    nq_text words = nq_text_in(part->words, sizeof part->words);
    char name[64];

    name_picture(part);
    part->certain = NPLUG_CERTAINTY_PLACE;
    if (!nq_words_of(view->language, part->control, &label, &words)) {
        nq_text_add(&label, bare_name(part->control, name));
        nq_text_add(&words, bare_name(part->control, name));
        part->certain = NPLUG_CERTAINTY_NAME;
    }
    if (!*print) return;
    label = nq_text_in(part->label, sizeof part->label);
    nq_text_add(&label, print);
    part->certain = (uint8_t)certainty_of(view);
}

void nq_label(const nq_view *view, nplug_prompt_part *part)
{
    if (is_key(part->control)) {
        label_key(view, part);
    } else {
        if (!view->device || !label_zone(view, part)) label_other(view, part);
        add_way(view->language, part);
    }
    if (nq_is_right_to_left(part->label)) part->flags |= NPLUG_PROMPT_FLAG_RIGHT_TO_LEFT;
}
