/* Binding texts: "pad:stick-left dead=0.1 | keys:KeyW,KeyS,KeyA,KeyD".
 *
 * Owns nothing: a reader is its holder's.  Comes in: a text.  Goes out: bindings, kept or handed to
 * whoever hears them. */
#include "core/game/game.h"
#include "core/game/reader.h"
#include <string.h>

static bool fail_name(np_reader *in, const char *full, const char *word, size_t length)
{
    nplug_control near = nplug_control_nearest(full, strlen(full));
    char name[48], what[96];
    np_text text = np_text_in(what, sizeof what);

    np_text_add(&text, "is no control");
    if (near) {
        nplug_control_name(near, name, sizeof name);
        np_text_add(&text, "; did you mean ");
        np_text_add(&text, name);
        np_text_add(&text, "?");
    }
    return np_reader_fail(in, what, word, length);
}

/* --- sources -------------------------------------------------------------------------------- */

static const struct {
    const char *name;
    uint8_t way, components;
} ways[] = {{"x", NPLUG_WAY_X, 2},        {"y", NPLUG_WAY_Y, 2},     {"right", NPLUG_WAY_RIGHT, 2},
            {"left", NPLUG_WAY_LEFT, 2},  {"up", NPLUG_WAY_UP, 2},   {"down", NPLUG_WAY_DOWN, 2},
            {"high", NPLUG_WAY_RIGHT, 1}, {"low", NPLUG_WAY_LEFT, 1}};

static bool is_word(const char *word, size_t length, const char *name)
{
    return strlen(name) == length && memcmp(word, name, length) == 0;
}

/* What stands after a control's '.'. */
static bool read_way(np_reader *in, const char *word, size_t length, nplug_source *source)
{
    unsigned components = 1;
    nplug_nature nature = nplug_control_nature(source->control, &components);

    for (size_t i = 0; i < sizeof ways / sizeof *ways; i++) {
        if (!is_word(word, length, ways[i].name) || ways[i].components != components) continue;
        source->way = ways[i].way;
        if (nature != NPLUG_NATURE_BUTTON && components <= 2) return true;
    }
    return np_reader_fail(in,
                          components == 2 ? "is no part of it: x y up down left right are"
                                          : "is no part of it: high and low of an axis are",
                          word, length);
}

/* The other one of two controls of a pad; any other control as it is. */
static nplug_control swapped(nplug_control control, unsigned one, unsigned two)
{
    nplug_control a = NPLUG_CONTROL(NPLUG_CLASS_PAD, one);
    nplug_control b = NPLUG_CONTROL(NPLUG_CLASS_PAD, two);

    return control == a ? b : control == b ? a : control;
}

static nplug_control pad(unsigned place)
{
    return NPLUG_CONTROL(NPLUG_CLASS_PAD, place);
}

static bool ends_word(char c)
{
    return c == ',' || c == ' ' || c == '+' || c == '/';
}

/* A control by its name, or a zone by the game's. */
static nplug_control control_of(const np_reader *in, const char *full, size_t length)
{
    static const char zone[] = "zone:";
    const nplug_game *game = in->game ? &in->game->def : in->named;
    size_t head = sizeof zone - 1;
    nplug_control found = nplug_control_from_name(full, length);

    if (found || !game || length <= head || memcmp(full, zone, head) != 0) return found;
    return np_zone_named(game, full + head, length - head);
}

/* One source's word; `class_` is put before it where it has none of its own. */
static bool read_word(np_reader *in, const char *class_, size_t class_length, nplug_source *source)
{
    const char *word = in->at, *dot;
    char full[64];
    np_text text = np_text_in(full, sizeof full);
    size_t length;

    while (in->at < in->end && !ends_word(*in->at))
        in->at++;
    length = (size_t)(in->at - word);
    if (length == 0) return np_reader_fail_here(in, "a control is missing");
    dot = (const char *)memchr(word, '.', length);
    if (dot) length = (size_t)(dot - word);
    if (!memchr(word, ':', length)) np_text_add_bytes(&text, class_, class_length);
    np_text_add_bytes(&text, word, length);
    source->way = NPLUG_WAY_WHOLE;
    source->control = control_of(in, full, text.length);
    if (!source->control) return fail_name(in, full, word, length);
    if (in->swaps & NP_SWAP_STICKS)
        source->control = swapped(source->control, NPLUG_PAD_STICK_LEFT, NPLUG_PAD_STICK_RIGHT);
    if (in->swaps & NP_SWAP_CONFIRM)
        source->control = swapped(source->control, NPLUG_PAD_CONFIRM, NPLUG_PAD_CANCEL);
    return !dot || read_way(in, dot + 1, (size_t)(in->at - dot) - 1, source);
}

/* A word that stands for two controls is both: what a pointer presses on a touch surface or a
 * mouse, and a control of either hand. */
static bool add_twin(np_reader *in, np_member *member)
{
    nplug_source *last = &member->any[member->count - 1], twin = *last;

    if (NPLUG_CONTROL_CLASS(last->control) == NPLUG_CLASS_POINTER)
        twin.control = NPLUG_CONTROL(NPLUG_CLASS_MOUSE, NPLUG_MOUSE_LEFT);
    if (NPLUG_CONTROL_CLASS(last->control) == NPLUG_CLASS_HAND) {
        twin.control = NPLUG_CONTROL(NPLUG_CLASS_HAND_RIGHT, NPLUG_CONTROL_INDEX(last->control));
        last->control = NPLUG_CONTROL(NPLUG_CLASS_HAND_LEFT, NPLUG_CONTROL_INDEX(last->control));
    }
    if (twin.control == last->control) return true;
    if (member->count == NP_EITHER)
        return np_reader_fail_here(in, "four at most may stand for each other");
    member->any[member->count++] = twin;
    return true;
}

/* "key:ShiftLeft/ShiftRight": any of some; the first one's class holds for the others. */
static bool read_member(np_reader *in, np_member *member)
{
    const char *class_ = in->at, *colon;

    member->count = 0;
    colon = (const char *)memchr(in->at, ':', (size_t)(in->end - in->at));
    for (;;) {
        size_t length = colon ? (size_t)(colon - class_) + 1 : 0;
        if (!read_word(in, class_, length, &member->any[member->count++])) return false;
        if (!add_twin(in, member)) return false;
        if (in->at == in->end || *in->at != '/') return true;
        if (member->count == NP_EITHER)
            return np_reader_fail_here(in, "four at most may stand for each other");
        in->at++;
    }
}

static bool starts_with(const np_reader *in, const char *word)
{
    size_t length = strlen(word);
    return (size_t)(in->end - in->at) >= length && memcmp(in->at, word, length) == 0;
}

static bool is_twin(nplug_source source)
{
    unsigned class_ = NPLUG_CONTROL_CLASS(source.control);
    return class_ == NPLUG_CLASS_POINTER || class_ == NPLUG_CLASS_HAND;
}

/* Two or four controls, parted by commas; `class_` is put before those that have none.  So many are
 * read already. */
static bool read_list(np_reader *in, const char *word, const char *class_, size_t class_length,
                      unsigned count)
{
    do {
        if (count == 4)
            return np_reader_fail_here(in, "four controls at most may make one binding");
        if (count) in->at++;
        if (!read_word(in, class_, class_length, &in->driving[count++])) return false;
        if (is_twin(in->driving[count - 1]))
            return np_reader_fail(in, "stands for two controls, and in a list for none", word,
                                  (size_t)(in->at - word));
    } while (in->at < in->end && *in->at == ',');
    if (count != 2 && count != 4)
        return np_reader_fail(
            in, "needs two controls (a level) or four (a vector: up, down, left, right)", word,
            (size_t)(in->at - word));
    in->driving_count = count;
    in->binding.shape = count == 2 ? NP_SHAPE_PAIR : NP_SHAPE_CROSS;
    return true;
}

/* The four buttons of a pad's cross, as a vector. */
static void take_dpad(np_reader *in)
{
    for (unsigned i = 0; i < 4; i++)
        in->driving[i] = (nplug_source){pad(NPLUG_PAD_DPAD_UP + i), NPLUG_WAY_WHOLE};
    in->driving_count = 4;
    in->binding.shape = NP_SHAPE_CROSS;
    in->at += strlen("pad:dpad");
}

static bool is_dpad(const np_reader *in)
{
    size_t length = strlen("pad:dpad");

    return starts_with(in, "pad:dpad") && (in->at + length == in->end || in->at[length] == ' ');
}

/* What drives, which is one control, or a list of them that ends the binding's sources. */
static bool read_driving(np_reader *in, bool *ends)
{
    const char *word = in->at;
    const char *colon = (const char *)memchr(word, ':', (size_t)(in->end - word));
    bool keys = starts_with(in, "keys:");

    *ends = true;
    if (is_dpad(in)) {
        take_dpad(in);
        return true;
    }
    if (keys) {
        in->at += strlen("keys:");
        return read_list(in, word, "key:", strlen("key:"), 0);
    }
    if (!read_member(in, &in->last)) return false;
    *ends = in->at < in->end && *in->at == ',' && in->last.count == 1;
    in->driving[0] = in->last.any[0];
    in->driving_count = 1;
    return !*ends || read_list(in, word, word, colon ? (size_t)(colon - word) + 1 : 0, 1);
}

/* All sources of a binding: what is held, joined by '+', and what drives. */
static bool read_sources(np_reader *in)
{
    bool ends;

    while (read_driving(in, &ends)) {
        if (ends || in->at == in->end || *in->at != '+') return true;
        if (in->with_count == NP_CHORD - 1)
            return np_reader_fail_here(in, "four controls at most make a chord");
        in->with[in->with_count++] = in->last;
        in->at++;
    }
    return false;
}

/* --- a whole binding ------------------------------------------------------------------------ */

/* How many numbers a source gives, and of what nature. */
static nplug_nature look_at(nplug_source source, unsigned *components)
{
    nplug_nature nature = nplug_control_nature(source.control, components);

    if (source.way != NPLUG_WAY_WHOLE) *components = 1;
    return nature;
}

/* A wheel is pressed in a direction, by its notches. */
static bool has_press(const np_reader *in)
{
    unsigned components = 1;
    nplug_nature nature = look_at(in->driving[0], &components);
    bool notches = np_notches_has(in->driving[0].control) && in->driving[0].way >= NPLUG_WAY_RIGHT;

    return in->binding.shape == NP_SHAPE_ONE && components == 1 &&
           (nature != NPLUG_NATURE_DELTA || notches);
}

/* Of a binding that was read, without blanks at its end. */
static size_t length_of(const np_reader *in, const char *word)
{
    size_t length = (size_t)(in->at - word);

    while (length && word[length - 1] == ' ')
        length--;
    return length;
}

/* What a kind of action can make nothing of. */
static bool check_kind(np_reader *in, const char *word)
{
    size_t length = length_of(in, word);
    unsigned components = 1;
    nplug_nature nature = look_at(in->driving[0], &components);

    if (in->action->kind == NPLUG_ACTION_POSE) {
        if (nature == NPLUG_NATURE_POSE && np_shaping_is_idle(&in->shaping)) return true;
        return np_reader_fail(
            in, "drives no pose: that takes a pose (hand-left:pose-grip), unshaped", word, length);
    }
    if (nature == NPLUG_NATURE_POSE)
        return np_reader_fail(in, "is a pose: only an action of kind pose takes one", word, length);
    if (nature == NPLUG_NATURE_SENSOR)
        return np_reader_fail(in, "is a sensor: read it by nplug_control_sensor", word, length);
    if (in->action->kind == NPLUG_ACTION_BUTTON && !has_press(in))
        return np_reader_fail(in,
                              "has no single press: a button takes a button, a key, a trigger or "
                              "one direction (pad:stick-left.up)",
                              word, length);
    if (in->binding.gesture != NPLUG_GESTURE_PRESS && in->action->kind != NPLUG_ACTION_BUTTON)
        return np_reader_fail(in, "says how a press is made: that is for buttons", word, length);
    if (in->action->kind == NPLUG_ACTION_LEVEL && in->binding.shape == NP_SHAPE_CROSS)
        return np_reader_fail(in, "are four keys: a level takes one or two", word, length);
    if (nature == NPLUG_NATURE_DELTA && !np_shaping_suits_deltas(&in->shaping))
        return np_reader_fail(in, "moves without ends: scale= and invert= are all that shapes it",
                              word, length);
    if ((in->action->kind == NPLUG_ACTION_BUTTON || in->action->kind == NPLUG_ACTION_MOTION) &&
        (in->shaping.rise > 0.0f || in->shaping.fall > 0.0f))
        return np_reader_fail(in, "rise= and fall= make a level or a vector of buttons", word,
                              length);
    return true;
}

/* A vector reads left and right of one number: that is never meant. */
static bool check_vector(np_reader *in, const char *word)
{
    unsigned components = 1;

    look_at(in->driving[0], &components);
    if (in->action->kind != NPLUG_ACTION_VECTOR || in->binding.shape == NP_SHAPE_CROSS ||
        components == 2)
        return true;
    return np_reader_fail(in, "has one direction: a vector takes a stick or four keys", word,
                          length_of(in, word));
}

/* What several options say together: thresholds that are not given follow from the other one. */
static bool settle_options(np_reader *in)
{
    np_shaping *shaping = &in->shaping;
    float press = shaping->press > 0.0f ? shaping->press : NP_PRESS;

    if (shaping->outer <= shaping->inner)
        return np_reader_fail_here(in, "outer= must be more than dead=");
    if (shaping->release > press)
        return np_reader_fail_here(in, "release= must not be above press=");
    if (in->action->kind == NPLUG_ACTION_LEVEL && !np_shaping_suits_level(shaping))
        return np_reader_fail_here(in, "a level has one number: invert=x turns it");
    if (shaping->release <= 0.0f)
        shaping->release = press > 0.2f ? press - (NP_PRESS - NP_RELEASE) : 0.5f * press;
    shaping->press = press;
    return true;
}

static void begin_binding(np_reader *in)
{
    memset(&in->binding, 0, sizeof in->binding);
    memset(&in->filter, 0, sizeof in->filter);
    in->binding.action = (uint16_t)in->number;
    in->binding.kind = (uint8_t)in->action->kind;
    in->binding.layer = (uint8_t)in->action->layer;
    in->binding.players = in->players;
    in->with_count = in->driving_count = 0;
    in->column = (uint32_t)(in->at - in->text) + 1;
    in->last.count = 1;
    in->shaping = np_shaping_none();
}

/* Whether some source of a binding depends on what is known of a device. */
static bool has_any(const np_reader *in, bool (*depends)(nplug_source))
{
    bool any = false;

    for (unsigned i = 0; i < in->driving_count; i++)
        any |= depends(in->driving[i]);
    for (unsigned i = 0; i < in->with_count; i++)
        any |= depends(in->with[i].any[0]);
    return any;
}

/* Which hand is the dominant one changes: a binding for each. */
static bool keep_for_hands(np_reader *in)
{
    in->main = NPLUG_KIND_HAND_LEFT;
    if (has_any(in, np_reader_is_of_hand) && !np_game_keep(in)) return false;
    in->main = NPLUG_KIND_HAND_RIGHT;
    return np_game_keep(in);
}

/* Which button confirms is said by the pad's sheet: a binding for each. */
static bool keep_resolved(np_reader *in)
{
    in->confirm = NPLUG_PAD_EAST;
    if (has_any(in, np_reader_is_of_sheet) && !keep_for_hands(in)) return false;
    in->confirm = NPLUG_PAD_SOUTH;
    return keep_for_hands(in);
}

/* Hands a binding to whoever asked. */
static void tell(const np_reader *in)
{
    nplug_binding binding;

    memset(&binding, 0, sizeof binding);
    binding.index = in->place;
    binding.column = in->column;
    binding.held_count = in->with_count;
    binding.driving_count = in->driving_count;
    for (unsigned i = 0; i < in->with_count; i++)
        binding.held[i] = in->with[i].any[0];
    memcpy(binding.driving, in->driving, sizeof binding.driving);
    binding.gesture = (nplug_gesture)in->binding.gesture;
    binding.taps = in->binding.taps;
    binding.wait_us = in->binding.wait;
    binding.every_us = in->binding.every;
    binding.kind = in->filter.kind;
    memcpy(binding.family, in->filter.family, sizeof binding.family);
    memcpy(binding.sheet, in->filter.sheet, sizeof binding.sheet);
    binding.observes = in->binding.observes != 0;
    binding.confirm = in->filter.confirm;
    in->each(in->user, &binding);
}

/* Where several may stand for each other, each choice is a binding of its own. */
static bool keep_choices(np_reader *in)
{
    np_member with[NP_CHORD - 1];
    unsigned choices = in->binding.shape == NP_SHAPE_ONE ? in->last.count : 1;

    memcpy(with, in->with, sizeof with);
    for (unsigned m = 0; m < in->with_count; m++)
        choices *= with[m].count;
    for (unsigned n = 0; n < choices; n++) {
        unsigned rest = n;
        for (unsigned m = 0; m < in->with_count; rest /= with[m++].count)
            in->with[m].any[0] = with[m].any[rest % with[m].count];
        if (in->binding.shape == NP_SHAPE_ONE) in->driving[0] = in->last.any[rest];
        if (in->each) tell(in);
        if (in->game && !keep_resolved(in)) return false;
    }
    return true;
}

static bool read_binding(np_reader *in)
{
    const char *word = in->at;

    begin_binding(in);
    if (!read_sources(in)) return false;
    if (in->at < in->end && *in->at == ',')
        return np_reader_fail_here(in, "controls that may stand for each other make no list");
    if (in->at < in->end && *in->at != ' ')
        return np_reader_fail_here(in, "a list drives alone: what is held stands before it");
    for (np_reader_skip_blanks(in); in->at < in->end; np_reader_skip_blanks(in))
        if (!np_option_read(in)) return false;
    return settle_options(in) && check_kind(in, word) && check_vector(in, word) && keep_choices(in);
}

/* The bindings of one action, parted by '|'. */
bool np_action_read(np_reader *in, const char *text)
{
    const char *stop;

    in->text = text ? text : "";
    stop = in->text + strlen(in->text);
    in->at = in->end = in->text;
    in->place = 0;
    in->wanted = NP_TEXT_BINDING;
    for (in->end = stop, np_reader_skip_blanks(in); in->at < stop;) {
        in->end = (const char *)memchr(in->at, '|', (size_t)(stop - in->at));
        if (!in->end) in->end = stop;
        np_reader_skip_blanks(in);
        if (!read_binding(in)) return false;
        in->place++;
        in->at = in->end < stop ? in->end + 1 : stop;
    }
    return true;
}

nplug_result nplug_read_bindings(nplug_action_kind kind, const char *from, nplug_on_binding each,
                                 void *user, nplug_binding_error *error)
{
    return nplug_game_read_bindings(NULL, kind, from, each, user, error);
}

nplug_result nplug_game_read_bindings(const nplug_game *game, nplug_action_kind kind,
                                      const char *from, nplug_on_binding each, void *user,
                                      nplug_binding_error *error)
{
    nplug_action_def action = {"", kind, from, 0};
    np_reader in;

    if ((unsigned)kind > NPLUG_ACTION_POSE) return NPLUG_ERR_ARGUMENT;
    memset(&in, 0, sizeof in);
    in.named = game;
    in.action = &action;
    in.each = each;
    in.user = user;
    in.error = error;
    if (error) memset(error, 0, sizeof *error);
    return np_action_read(&in, from) ? NPLUG_OK : in.result;
}
