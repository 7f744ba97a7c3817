/* Bindings as texts: another source in one, and which of two would fire together. */
#include "core/base/base.h"
#include "nestplug/bind.h"
#include "nestplug/device.h"
#include <string.h>

/* --- another source in a text --------------------------------------------------------------- */

static const char *skip_blanks(const char *at, const char *end)
{
    while (at < end && *at == ' ')
        at++;
    return at;
}

static const char *trim(const char *from, const char *end)
{
    while (end > from && end[-1] == ' ')
        end--;
    return end;
}

static void add_binding(np_text *text, const char *source, size_t length, const char *options,
                        size_t options_length)
{
    if (text->length) np_text_add(text, " | ");
    np_text_add_bytes(text, source, length);
    if (options_length) np_text_add(text, " ");
    np_text_add_bytes(text, options, options_length);
}

size_t nplug_bindings_replace(const char *from, uint32_t place, const char *source, char *buffer,
                              size_t size)
{
    np_text text = np_text_in(buffer, buffer ? size : 0);
    const char *at = from ? from : "", *stop = at + strlen(at);
    bool adds = source && *source;
    uint32_t count = 0;

    while (skip_blanks(at, stop) < stop) {
        const char *bar = strchr(at, '|');
        const char *begin = skip_blanks(at, stop), *end = trim(begin, bar ? bar : stop);
        const char *blank = (const char *)memchr(begin, ' ', (size_t)(end - begin));
        const char *options = blank ? skip_blanks(blank, end) : end;
        if (count != place)
            add_binding(&text, begin, (size_t)((blank ? blank : end) - begin), options,
                        (size_t)(end - options));
        else if (adds)
            add_binding(&text, source, strlen(source), options, (size_t)(end - options));
        count++;
        at = bar ? bar + 1 : stop;
    }
    if (place >= count && adds) add_binding(&text, source, strlen(source), "", 0);
    return text.length;
}

/* --- conflicts ------------------------------------------------------------------------------ */

static bool same_source(nplug_source a, nplug_source b)
{
    return a.control == b.control &&
           (a.way == b.way || a.way == NPLUG_WAY_WHOLE || b.way == NPLUG_WAY_WHOLE);
}

/* Whether two bindings want the same others to be held: else the longer chord wins. */
static bool same_chord(const nplug_binding *a, const nplug_binding *b)
{
    uint32_t found = 0;

    for (uint32_t i = 0; i < a->held_count; i++)
        for (uint32_t k = 0; k < b->held_count; k++)
            found += same_source(a->held[i], b->held[k]);
    return a->held_count == b->held_count && found == a->held_count;
}

static bool same_devices(const nplug_binding *a, const nplug_binding *b)
{
    if (a->kind && b->kind && a->kind != b->kind) return false;
    if (a->family[0] && b->family[0] && strcmp(a->family, b->family) != 0) return false;
    return !a->sheet[0] || !b->sheet[0] || strcmp(a->sheet, b->sheet) == 0;
}

/* Tap and hold of one control are told apart. */
static bool same_gesture(const nplug_binding *a, const nplug_binding *b)
{
    return a->gesture == b->gesture && a->taps == b->taps;
}

bool nplug_bindings_clash(const nplug_binding *one, const nplug_binding *other, nplug_source *by)
{
    if (one->observes || other->observes || !same_chord(one, other)) return false;
    if (!same_devices(one, other) || !same_gesture(one, other)) return false;
    for (uint32_t i = 0; i < one->driving_count; i++)
        for (uint32_t k = 0; k < other->driving_count; k++) {
            if (!same_source(one->driving[i], other->driving[k])) continue;
            if (by) *by = one->driving[i];
            return true;
        }
    return false;
}

/* The key on which a device has a label; 0 where there is none. */
static nplug_control key_with(const nplug_nest *nest, nplug_device device, nplug_control label)
{
    char name[48];
    np_text text;

    for (unsigned usage = 4; usage < 0x100; usage++) {
        char printed[16];
        nplug_control key = NPLUG_CONTROL(NPLUG_CLASS_KEY, usage);
        size_t length = nplug_key_label(nest, device, key, printed, sizeof printed);
        if (length == 0 || length >= sizeof printed) continue;
        text = np_text_in(name, sizeof name);
        np_text_add(&text, "key-label:");
        np_text_add(&text, printed);
        if (nplug_control_from_name(name, text.length) == label) return key;
    }
    return 0;
}

/* A label stands for the key that has it, on the first keyboard that has one. */
static nplug_source placed(const nplug_nest *nest, nplug_source source)
{
    nplug_control key = 0;

    if (NPLUG_CONTROL_CLASS(source.control) != NPLUG_CLASS_KEY_LABEL) return source;
    for (uint32_t i = 0; i < nplug_device_count(nest) && key == 0; i++)
        key = key_with(nest, nplug_device_at(nest, i), source.control);
    if (key) source.control = key;
    return source;
}

static nplug_binding placed_all(const nplug_nest *nest, const nplug_binding *binding)
{
    nplug_binding found = *binding;

    for (uint32_t i = 0; i < found.held_count; i++)
        found.held[i] = placed(nest, found.held[i]);
    for (uint32_t i = 0; i < found.driving_count; i++)
        found.driving[i] = placed(nest, found.driving[i]);
    return found;
}

typedef struct search {
    nplug_nest *nest;
    nplug_player player;
    uint32_t action;              /* whose new text is looked at */
    uint32_t other;               /* the action that is compared */
    const nplug_binding *binding; /* one of the new text's */
    nplug_conflict *list;
    uint32_t max, count;
} search;

static void compare(void *user, const nplug_binding *theirs)
{
    search *in = (search *)user;
    nplug_binding other = placed_all(in->nest, theirs);

    if (!nplug_bindings_clash(in->binding, &other, NULL)) return;
    for (uint32_t i = 0; i < in->count && i < in->max; i++)
        if (in->list[i].action == in->other && in->list[i].index == theirs->index) return;
    if (in->count < in->max) {
        in->list[in->count].action = in->other;
        in->list[in->count].index = theirs->index;
    }
    in->count++;
}

/* What is known of an action; its kind and its layer's priority are the same for everybody. */
static nplug_action_facts facts_of(const nplug_nest *nest, uint32_t action)
{
    NPLUG_SIZED(nplug_action_facts, facts);
    nplug_action_info(nest, NPLUG_NOBODY, action, &facts);
    return facts;
}

static bool same_priority(const nplug_nest *nest, uint32_t a, uint32_t b)
{
    return nplug_layer_priority(nest, facts_of(nest, a).layer) ==
           nplug_layer_priority(nest, facts_of(nest, b).layer);
}

static void compare_all(void *user, const nplug_binding *binding)
{
    search *in = (search *)user;
    nplug_binding own = placed_all(in->nest, binding);

    in->binding = &own;
    for (in->other = 0; nplug_action_name(in->nest, in->other); in->other++)
        if (in->other != in->action && same_priority(in->nest, in->other, in->action))
            nplug_game_read_bindings(nplug_nest_game(in->nest), facts_of(in->nest, in->other).kind,
                                     nplug_bindings(in->nest, in->player, in->other), compare, in,
                                     NULL);
}

uint32_t nplug_conflicts(nplug_nest *nest, nplug_player player, uint32_t action, const char *from,
                         nplug_conflict *list, uint32_t max)
{
    search in = {nest, player, action, 0, NULL, list, list ? max : 0, 0};

    if (!nplug_action_name(nest, action)) return 0;
    nplug_game_read_bindings(nplug_nest_game(nest), facts_of(nest, action).kind, from, compare_all,
                             &in, NULL);
    return in.count;
}
