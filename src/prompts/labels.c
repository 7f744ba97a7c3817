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

/* What is printed on a key by the person's layout; false where its port does not know. */
static bool print_of_key(const nplug_nest *nest, nplug_device device, nplug_prompt_part *part)
{
    nq_text text = nq_text_in(part->label, sizeof part->label);
    char name[64], label[40];

    if (NPLUG_CONTROL_CLASS(part->control) == NPLUG_CLASS_KEY_LABEL) {
        nq_text_add(&text, bare_name(part->control, name));
        return true;
    }
    if (nplug_key_label(nest, device, part->control, label, sizeof label) == 0) return false;
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

static void label_key(const nplug_nest *nest, nplug_device device, const nplug_language *language,
                      nplug_prompt_part *part)
{
    nq_text label = nq_text_in(part->label, sizeof part->label);
    nq_text words = nq_text_in(part->words, sizeof part->words);

    strcpy(part->picture, "key");
    part->certain = NPLUG_CERTAINTY_PRINTED;
    if (nq_words_of(language, part->control, &label, &words)) return;
    if (!device || !print_of_key(nest, device, part)) {
        name_key(part);
        part->certain = NPLUG_CERTAINTY_NAME;
    }
    nq_text_fill(&words, nq_word(language, "key", true), part->label, NULL);
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
static bool label_zone(const nplug_nest *nest, nplug_device device, const nplug_language *language,
                       nplug_prompt_part *part)
{
    NPLUG_SIZED(nplug_zone_facts, zone);
    size_t deed = DEEDS;
    uint32_t own = NPLUG_NO_ZONE;
    bool is_zone = zone_of(part->control, &own, &deed);

    for (uint32_t z = 0; nplug_zone_info(nest, device, z, &zone) == NPLUG_OK; z++) {
        if (is_zone ? z != own : zone.control != part->control) continue;
        name_zone(zone.name, deed, language, part);
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

static void label_other(const nplug_nest *nest, nplug_device device, const nplug_language *language,
                        nplug_prompt_part *part)
{
    const char *print = device ? nplug_control_print(nest, device, part->control) : "";
    nq_text label = nq_text_in(part->label, sizeof part->label);
    nq_text words = nq_text_in(part->words, sizeof part->words);
    NPLUG_SIZED(nplug_device_facts, info);
    char name[64];

    name_picture(part);
    part->certain = NPLUG_CERTAINTY_PLACE;
    if (!nq_words_of(language, part->control, &label, &words)) {
        nq_text_add(&label, bare_name(part->control, name));
        nq_text_add(&words, bare_name(part->control, name));
        part->certain = NPLUG_CERTAINTY_NAME;
    }
    if (!*print || nplug_device_info(nest, device, &info) != NPLUG_OK) return;
    label = nq_text_in(part->label, sizeof part->label);
    nq_text_add(&label, print);
    part->certain = info.matched <= NPLUG_MATCHED_NO_BUS && info.matched != NPLUG_MATCHED_NONE
                        ? NPLUG_CERTAINTY_PRINTED
                        : NPLUG_CERTAINTY_FAMILY;
}

void nq_label(const nplug_nest *nest, nplug_device device, const nplug_language *language,
              nplug_prompt_part *part)
{
    if (is_key(part->control)) {
        label_key(nest, device, language, part);
    } else {
        if (!device || !label_zone(nest, device, language, part))
            label_other(nest, device, language, part);
        add_way(language, part);
    }
    if (nq_is_right_to_left(part->label)) part->flags |= NPLUG_PROMPT_FLAG_RIGHT_TO_LEFT;
}
