/* What is likely to be a mistake in a game that is right by its grammar. */
#include "game_file.h"
#include "nestplug/touch.h"
#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

typedef struct checker {
    nf_doc doc;
    const nplug_game_file *file;
    uint32_t action, other;
    const nplug_binding *binding;
    bool desk, pad, others;         /* what the action's bindings are on */
    bool simple, chord, taps, hold; /* what its presses need */
    bool touch;                     /* a zone reaches it */
    uint32_t bindings, warnings;
} checker;

#if defined(__GNUC__)
__attribute__((format(printf, 4, 5)))
#endif
static void
warn_at(checker *in, uint32_t action, uint32_t column, const char *format, ...)
{
    char text[200];
    va_list list;

    va_start(list, format);
    vsnprintf(text, sizeof text, format, list);
    va_end(list);
    nf_game_note(&in->doc, in->file, action, column, true, text);
    in->warnings++;
}

static void name_of(nplug_source source, char *buffer, size_t size)
{
    if (nplug_source_name(source, buffer, size) == 0) snprintf(buffer, size, "?");
}

/* --- one binding ------------------------------------------------------------------------------ */

/* Whether any sheet that is known has a control; keys are on keyboards. */
static bool some_device_has(nplug_control control)
{
    uint32_t count;
    const nplug_sheet *sheets = nplug_builtin_sheets(&count);

    if (NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_KEY ||
        NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_ZONE ||
        NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_KEY_LABEL)
        return true;
    if (control == NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_CONFIRM) ||
        control == NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_CANCEL))
        return true;
    for (uint32_t i = 0; i < count; i++)
        for (uint32_t w = 0; w < sheets[i].wire_count; w++)
            if (sheets[i].wires[w].control == control) return true;
    return false;
}

static void check_known(checker *in, const nplug_binding *binding, nplug_source source)
{
    char name[64];

    name_of(source, name, sizeof name);
    if (!some_device_has(source.control))
        warn_at(in, in->action, binding->column,
                "no device that is known has %s: only one with a learnt sheet could press it",
                name);
}

static bool are_opposite(nplug_source a, nplug_source b)
{
    return a.control == b.control && a.way != b.way && a.way >= NPLUG_WAY_RIGHT &&
           b.way >= NPLUG_WAY_RIGHT && (a.way < NPLUG_WAY_UP) == (b.way < NPLUG_WAY_UP);
}

/* All sources of a chord, the driving one last. */
static void check_chord(checker *in, const nplug_binding *binding)
{
    nplug_source all[4];
    uint32_t count = binding->held_count;
    char name[64];

    memcpy(all, binding->held, count * sizeof *all);
    all[count++] = binding->driving[0];
    for (uint32_t i = 0; binding->held_count && i < count; i++)
        for (uint32_t k = 0; k < i; k++) {
            bool same = all[i].control == all[k].control && all[i].way == all[k].way;
            if (!same && !are_opposite(all[i], all[k])) continue;
            name_of(all[i], name, sizeof name);
            warn_at(in, in->action, binding->column, "this chord can never win: %s %s", name,
                    same ? "is in it twice" : "cannot be held with its opposite");
        }
}

static bool is_letter(nplug_control key)
{
    unsigned usage = NPLUG_CONTROL_INDEX(key);
    return NPLUG_CONTROL_CLASS(key) == NPLUG_CLASS_KEY && usage >= 0x04 && usage <= 0x1d;
}

/* Control, Alt and Meta of both sides: HID usages 0xe0, 0xe2, 0xe3 and 0xe4, 0xe6, 0xe7. */
static bool is_shortcut_key(nplug_control key)
{
    unsigned usage = NPLUG_CONTROL_INDEX(key);
    return NPLUG_CONTROL_CLASS(key) == NPLUG_CLASS_KEY && usage >= 0xe0 && usage <= 0xe7 &&
           (usage & 3u) != 1;
}

static void check_shortcut(checker *in, const nplug_binding *binding)
{
    bool shortcut = false;

    for (uint32_t i = 0; i < binding->held_count; i++)
        shortcut |= is_shortcut_key(binding->held[i].control);
    if (shortcut && binding->driving_count == 1 && is_letter(binding->driving[0].control))
        warn_at(in, in->action, binding->column,
                "a shortcut by a letter is bound by position, and is another letter on other "
                "layouts: say key-label:%c",
                'a' + (int)NPLUG_CONTROL_INDEX(binding->driving[0].control) - 4);
}

static void note_class(checker *in, nplug_control control)
{
    unsigned class_ = NPLUG_CONTROL_CLASS(control);

    if (class_ == NPLUG_CLASS_KEY || class_ == NPLUG_CLASS_KEY_LABEL || class_ == NPLUG_CLASS_MOUSE)
        in->desk = true;
    else if (class_ == NPLUG_CLASS_PAD)
        in->pad = true;
    else
        in->others = true;
}

/* Whether a surface has a control: a zone is that, or stands for it; or its pointer. */
static bool is_touched(const nplug_game *game, nplug_control control)
{
    char name[64];

    if (NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_ZONE ||
        NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_POINTER)
        return true;
    nplug_control_name(control, name, sizeof name);
    for (uint32_t i = 0; i < game->zone_count; i++) {
        const char *at = game->zones[i].as ? strstr(game->zones[i].as, name) : NULL;
        char end = at ? at[strlen(name)] : 0;
        if (at && (end == 0 || end == ',')) return true;
    }
    return false;
}

static void look_at(void *user, const nplug_binding *binding)
{
    checker *in = (checker *)user;

    in->bindings++;
    for (uint32_t i = 0; i < binding->driving_count; i++) {
        in->touch |= is_touched(&in->file->game, binding->driving[i].control);
        check_known(in, binding, binding->driving[i]);
        note_class(in, binding->driving[i].control);
    }
    for (uint32_t i = 0; i < binding->held_count; i++)
        check_known(in, binding, binding->held[i]);
    check_chord(in, binding);
    check_shortcut(in, binding);
    in->chord |= binding->held_count != 0;
    in->taps |= binding->gesture == NPLUG_GESTURE_TAP && binding->taps > 1;
    in->hold |= binding->gesture == NPLUG_GESTURE_HOLD;
    in->simple |= binding->held_count == 0 && binding->gesture != NPLUG_GESTURE_HOLD &&
                  !(binding->gesture == NPLUG_GESTURE_TAP && binding->taps > 1);
}

/* --- two bindings ----------------------------------------------------------------------------- */

/* The same devices, and no mere overlap: one for a family beside one for all is meant. */
static bool same_devices(const nplug_binding *a, const nplug_binding *b)
{
    return a->kind == b->kind && strcmp(a->family, b->family) == 0 &&
           strcmp(a->sheet, b->sheet) == 0;
}

/* The key that is named for a label: the W3C names keys by what most keyboards print there. */
static nplug_control key_named(nplug_control label)
{
    unsigned letter = NPLUG_CONTROL_INDEX(label);

    if (NPLUG_CONTROL_CLASS(label) != NPLUG_CLASS_KEY_LABEL) return label;
    if (letter >= 'a' && letter <= 'z') return NPLUG_CONTROL(NPLUG_CLASS_KEY, 4 + letter - 'a');
    if (letter == '0') return NPLUG_CONTROL(NPLUG_CLASS_KEY, 0x27);
    if (letter >= '1' && letter <= '9') return NPLUG_CONTROL(NPLUG_CLASS_KEY, 0x1e + letter - '1');
    return label;
}

static nplug_binding by_names(const nplug_binding *binding)
{
    nplug_binding found = *binding;

    for (uint32_t i = 0; i < found.held_count; i++)
        found.held[i].control = key_named(found.held[i].control);
    for (uint32_t i = 0; i < found.driving_count; i++)
        found.driving[i].control = key_named(found.driving[i].control);
    return found;
}

static void compare(void *user, const nplug_binding *theirs)
{
    checker *in = (checker *)user;
    const nplug_binding *ours = in->binding;
    const char *other = in->file->actions[in->other].name;
    nplug_binding mine = by_names(ours), named = by_names(theirs);
    nplug_source by;
    char name[64];

    if (in->other == in->action && theirs->index >= ours->index) return;
    if (!same_devices(ours, theirs)) return;
    if (nplug_bindings_clash(ours, theirs, &by)) {
        name_of(by, name, sizeof name);
        warn_at(in, in->action, ours->column, "%s drives \"%s\" in the same layer, too", name,
                other);
    } else if (nplug_bindings_clash(&mine, &named, &by)) {
        name_of(by, name, sizeof name);
        warn_at(in, in->action, ours->column,
                "%s drives \"%s\" in the same layer, too, on keyboards that print that label there",
                name, other);
    }
}

static void compare_all(void *user, const nplug_binding *binding)
{
    checker *in = (checker *)user;
    const nplug_game *game = &in->file->game;

    in->binding = binding;
    for (in->other = 0; in->other <= in->action; in->other++) {
        const nplug_action_def *other = &game->actions[in->other];
        if (other->layer == game->actions[in->action].layer)
            nplug_game_read_bindings(&in->file->game, other->kind, other->bindings, compare, in,
                                     NULL);
    }
}

/* --- actions and layers ----------------------------------------------------------------------- */

static void check_reach(checker *in)
{
    const char *name = in->file->actions[in->action].name;

    if (in->bindings == 0)
        warn_at(in, in->action, 1, "action \"%s\" is bound to nothing", name);
    else if (in->desk && !in->pad && !in->others)
        warn_at(in, in->action, 1, "action \"%s\" cannot be reached with a pad", name);
    else if (in->pad && !in->desk && !in->others)
        warn_at(in, in->action, 1, "action \"%s\" cannot be reached with keyboard and mouse", name);
    if (in->bindings && in->file->game.zone_count && !in->touch)
        warn_at(in, in->action, 1, "action \"%s\" cannot be reached by touch: no zone drives it",
                name);
}

static void check_access(checker *in)
{
    if (in->simple || in->bindings == 0) return;
    warn_at(in, in->action, 1, "action \"%s\" always needs %s: give it a simpler way, too",
            in->file->actions[in->action].name,
            in->chord  ? "several controls at once"
            : in->taps ? "rapid taps"
                       : "a long hold");
}

static void check_action(checker *in, bool access)
{
    const nplug_action_def *action = &in->file->actions[in->action];
    char at[80];

    in->desk = in->pad = in->others = in->simple = in->chord = in->taps = in->hold = false;
    in->touch = false;
    in->bindings = 0;
    nplug_game_read_bindings(&in->file->game, action->kind, action->bindings, look_at, in, NULL);
    check_reach(in);
    if (access) check_access(in);
    nplug_game_read_bindings(&in->file->game, action->kind, action->bindings, compare_all, in,
                             NULL);
    snprintf(at, sizeof at, "/actions/%s", action->name);
    if (in->file->game.layer_count == 0 ||
        json_object_get(json_object_get(json_object_get(in->file->root, "actions"), action->name),
                        "layer"))
        return;
    nf_warning(&in->doc, at, "action \"%s\" is in no layer, and counts as in \"%s\"", action->name,
               in->file->layers[0].name);
    in->warnings++;
}

static bool is_used(const nplug_game *game, uint32_t layer)
{
    for (uint32_t i = 0; i < game->action_count; i++)
        if (game->actions[i].layer == layer) return true;
    return false;
}

static void check_layer(checker *in, uint32_t layer)
{
    const nplug_layer_def *about = &in->file->layers[layer];
    const json_t *object = json_object_get(json_object_get(in->file->root, "layers"), about->name);
    char at[80];

    snprintf(at, sizeof at, "/layers/%s", about->name);
    if (!about->on && !json_object_get(object, "by")) {
        nf_warning(&in->doc, at,
                   "nothing switches layer \"%s\" on: say \"on\": true, or \"by\": \"call\" where "
                   "the game's code does",
                   about->name);
        in->warnings++;
    }
    if (is_used(&in->file->game, layer)) return;
    nf_warning(&in->doc, at, "layer \"%s\" has no actions", about->name);
    in->warnings++;
}

/* --- zones ------------------------------------------------------------------------------------ */

/* As wide as a finger's tip, in millimetres. */
#define FINGER 7.0f

static void warn_zone(checker *in, uint32_t zone, const char *what, const char *other)
{
    char at[80];

    snprintf(at, sizeof at, "/zones/%.48s", in->file->zones[zone].name);
    nf_warning(&in->doc, at, "zone \"%.48s\" %s%s%s", in->file->zones[zone].name, what, other,
               *other ? "\"" : "");
    in->warnings++;
}

/* Whether two zones may be on at once, share a place, and neither goes before the other. */
static bool vie(const nplug_zone_def *a, const nplug_zone_def *b)
{
    static const nplug_surface usual = {.size = (uint32_t)sizeof usual};
    nplug_vec2 a_least, a_most, b_least, b_most;

    if (a->layer != b->layer || a->priority != b->priority) return false;
    nplug_zone_place(a, &usual, &a_least, &a_most);
    nplug_zone_place(b, &usual, &b_least, &b_most);
    return a_least.x < b_most.x && b_least.x < a_most.x && a_least.y < b_most.y &&
           b_least.y < a_most.y;
}

static void check_zone(checker *in, uint32_t zone)
{
    static const nplug_surface usual = {
        .size = (uint32_t)sizeof usual, .width_mm = 125.0f, .height_mm = 70.0f};
    const nplug_zone_def *def = &in->file->zones[zone];
    nplug_vec2 least, most;

    nplug_zone_place(def, &usual, &least, &most);
    if (least.x < -0.01f || least.y < -0.01f || most.x > usual.width_mm + 0.01f ||
        most.y > usual.height_mm + 0.01f)
        warn_zone(in, zone, "lies partly off a surface of 125 mm by 70 mm", "");
    if (most.x - least.x < FINGER || most.y - least.y < FINGER)
        warn_zone(in, zone, "is smaller than a finger (7 mm) on such a surface", "");
    for (uint32_t i = 0; i < zone; i++)
        if (vie(def, &in->file->zones[i]))
            warn_zone(in, zone, "overlaps, with the same priority, zone \"",
                      in->file->zones[i].name);
}

uint32_t nplug_game_file_check(const nplug_game_file *file, bool access, nplug_notes *notes)
{
    checker in;

    if (!file || !notes) return 0;
    memset(&in, 0, sizeof in);
    in.doc.text = file->text;
    in.doc.length = file->length;
    in.doc.first_line = 1;
    in.doc.root = file->root;
    in.doc.notes = notes;
    in.file = file;
    for (uint32_t i = 0; i < file->game.layer_count; i++)
        check_layer(&in, i);
    for (uint32_t i = 0; i < file->game.zone_count; i++)
        check_zone(&in, i);
    for (in.action = 0; in.action < file->game.action_count; in.action++)
        check_action(&in, access);
    return in.warnings;
}
