/* The options of a binding or of comfort: a gesture's time, and what shapes a value.
 *
 * Owns nothing.  Comes in: a word of a text.  Goes out: numbers and flags in the reader. */
#include "core/game/game.h"
#include "core/game/reader.h"
#include <string.h>

/* --- numbers -------------------------------------------------------------------------------- */

static bool is_digit(char c)
{
    return c >= '0' && c <= '9';
}

/* A number like 12, 0.25 or .5, at most six digits after the point, up to a character that is none.
 */
bool np_number_read(np_reader *in, float *number)
{
    uint32_t digits = 0, value = 0, below = 1;
    bool point = false;

    for (; in->at < in->end; in->at++) {
        if (*in->at == '.' && !point) {
            point = true;
        } else if (is_digit(*in->at) && value < 10000000u && below < 1000000u) {
            value = 10 * value + (uint32_t)(*in->at - '0');
            if (point) below *= 10;
            digits++;
        } else {
            break;
        }
    }
    *number = (float)value / (float)below;
    return digits != 0;
}

static bool ends_here(const np_reader *in)
{
    return in->at == in->end || *in->at == ' ';
}

/* --- the sorts of option -------------------------------------------------------------------- */

typedef struct option {
    const char *name;
    bool (*read)(np_reader *in, float *into);
    size_t into; /* where in np_reader */
    float least, most;
    uint32_t in; /* in which texts: NP_TEXT_ bits */
    const char *expected;
} option;

static bool read_amount(np_reader *in, float *into)
{
    return np_number_read(in, into);
}

/* Milliseconds, as microseconds. */
static bool read_ms(np_reader *in, uint32_t *into)
{
    float ms;

    if (!np_number_read(in, &ms) || ms < 1.0f || ms > 1000000.0f) return false;
    *into = (uint32_t)ms * 1000u;
    return true;
}

static bool read_hold(np_reader *in, float *into)
{
    (void)into;
    in->binding.gesture = NPLUG_GESTURE_HOLD;
    return read_ms(in, &in->binding.wait);
}

static bool read_repeat(np_reader *in, float *into)
{
    (void)into;
    in->binding.gesture = NPLUG_GESTURE_REPEAT;
    return read_ms(in, &in->binding.wait) && in->at < in->end && *in->at++ == ':' &&
           read_ms(in, &in->binding.every);
}

static bool read_taps(np_reader *in, uint8_t taps, uint32_t wait)
{
    in->binding.gesture = NPLUG_GESTURE_TAP;
    in->binding.taps = taps;
    in->binding.wait = wait;
    if (ends_here(in)) return true;
    in->at++;
    return read_ms(in, &in->binding.wait);
}

static bool read_tap(np_reader *in, float *into)
{
    (void)into;
    return (ends_here(in) || *in->at == '=') && read_taps(in, 1, 250000);
}

static bool read_double_tap(np_reader *in, float *into)
{
    (void)into;
    return (ends_here(in) || *in->at == '=') && read_taps(in, 2, 300000);
}

static bool read_many_taps(np_reader *in, float *into)
{
    float taps;

    (void)into;
    if (!np_number_read(in, &taps) || taps < 1.0f || taps > 9.0f) return false;
    if (taps != (float)(uint8_t)taps || !(ends_here(in) || *in->at == ':')) return false;
    return read_taps(in, (uint8_t)taps, 300000);
}

static bool read_on_release(np_reader *in, float *into)
{
    (void)into;
    in->binding.gesture = NPLUG_GESTURE_RELEASE;
    return true;
}

static bool read_observe(np_reader *in, float *into)
{
    (void)into;
    in->binding.observes = 1;
    return true;
}

/* --- which devices -------------------------------------------------------------------------- */

static size_t skip_word(np_reader *in)
{
    const char *word = in->at;

    while (!ends_here(in))
        in->at++;
    return (size_t)(in->at - word);
}

static bool read_kind(np_reader *in, float *into)
{
    const char *word = in->at;
    size_t length = skip_word(in);

    (void)into;
    for (int kind = 1; kind < NP_KINDS; kind++) {
        const char *name = nplug_kind_name((nplug_device_kind)kind);
        if (strlen(name) != length || memcmp(name, word, length) != 0) continue;
        in->filter.kind = (nplug_device_kind)kind;
        return true;
    }
    return false;
}

static bool read_name(np_reader *in, char *name, size_t size)
{
    const char *word = in->at;
    size_t length = skip_word(in);

    if (length == 0 || length >= size) return false;
    memcpy(name, word, length);
    return true;
}

static bool read_family(np_reader *in, float *into)
{
    (void)into;
    return read_name(in, in->filter.family, sizeof in->filter.family);
}

static bool read_sheet(np_reader *in, float *into)
{
    (void)into;
    return read_name(in, in->filter.sheet, sizeof in->filter.sheet);
}

/* --- shaping -------------------------------------------------------------------------------- */

/* A word after the '=': which of some it is, or -1. */
static int read_word(np_reader *in, const char *const *words, int count)
{
    for (int i = 0; i < count; i++) {
        size_t length = strlen(words[i]);
        if ((size_t)(in->end - in->at) < length || memcmp(in->at, words[i], length) != 0) continue;
        in->at += length;
        if (ends_here(in)) return i;
        in->at -= length;
    }
    return -1;
}

static bool read_zone(np_reader *in, float *into)
{
    static const char *const words[] = {"rescaled", "radial", "axial"};
    int found = read_word(in, words, 3);

    (void)into;
    if (found >= 0) in->shaping.zone = (uint8_t)found;
    return found >= 0;
}

static bool read_invert(np_reader *in, float *into)
{
    static const char *const words[] = {"x", "y", "xy"};
    int found = read_word(in, words, 3);

    (void)into;
    if (found != 1) in->shaping.invert_x = 1;
    if (found != 0) in->shaping.invert_y = 1;
    return found >= 0;
}

static bool read_gate(np_reader *in, float *into)
{
    static const char *const words[] = {"circle"};

    (void)into;
    in->shaping.to_circle = 1;
    return read_word(in, words, 1) == 0;
}

static bool read_power(np_reader *in, float *into)
{
    float quarters;

    if (!np_number_read(in, into)) return false;
    quarters = *into * 4.0f;
    return quarters == (float)(uint32_t)quarters;
}

/* "0.5:0.2/0.8:0.6": points of a curve that rises from (0, 0) to (1, 1). */
static bool read_curve(np_reader *in, float *into)
{
    float last[2] = {0.0f, 0.0f};

    (void)into;
    for (uint8_t i = 0; i < NP_CURVE_POINTS; i++) {
        float *point = in->shaping.curve[i];
        if (!np_number_read(in, &point[0]) || in->at == in->end || *in->at++ != ':') return false;
        if (!np_number_read(in, &point[1]) || point[0] <= last[0] || point[1] < last[1])
            return false;
        if (point[0] > 1.0f || point[1] > 1.0f) return false;
        in->shaping.curve_count = (uint8_t)(i + 1);
        memcpy(last, point, sizeof last);
        if (ends_here(in)) return true;
        if (*in->at++ != '/') return false;
    }
    return false;
}

/* A shaping of the game's own, by its name; where a text is only read, any will do. */
static bool read_own(np_reader *in, float *into)
{
    const char *word = in->at;
    size_t length = skip_word(in);

    (void)into;
    in->shaping.own = 1;
    if (!in->game) return length != 0;
    for (uint32_t i = 0; i < in->game->def.shaper_count; i++) {
        const char *name = np_shaper_row(&in->game->def, i)->name;
        in->shaping.own = (uint8_t)(i + 1);
        if (strlen(name) == length && memcmp(name, word, length) == 0) return true;
    }
    return false;
}

/* A word that stands alone. */
static bool read_alone(np_reader *in, float *into)
{
    (void)in;
    *into = 1.0f;
    return true;
}

#define BOTH (NP_TEXT_BINDING | NP_TEXT_COMFORT)
#define AMOUNT(name, member, least, most, expected)                                                \
    {                                                                                              \
        name, read_amount, offsetof(np_reader, shaping.member), least, most, BOTH, expected        \
    }
#define SHAPES(name, read, expected)                                                               \
    {                                                                                              \
        name, read, offsetof(np_reader, shaping.power), 0.0f, 1000.0f, BOTH, expected              \
    }
#define BINDS(name, read, expected)                                                                \
    {                                                                                              \
        name, read, offsetof(np_reader, shaping.power), 0.0f, 1000.0f, NP_TEXT_BINDING, expected   \
    }
#define BETWEEN(name, member, least, most, expected)                                               \
    {                                                                                              \
        name, read_amount, offsetof(np_reader, shaping.member), least, most, NP_TEXT_BINDING,      \
            expected                                                                               \
    }
#define WISH(name, read, member, most, where, expected)                                            \
    {                                                                                              \
        name, read, offsetof(np_reader, wish.member), 0.0f, most, where, expected                  \
    }
static const option options[] = {
    BINDS("hold=", read_hold, "hold= takes 1 to 1000000 milliseconds"),
    BINDS("repeat=", read_repeat, "repeat= takes two times in milliseconds, such as 400:80"),
    BINDS("taps=", read_many_taps, "taps= takes 1 to 9, and after a colon milliseconds: 3:300"),
    BINDS("tap", read_tap, "tap or tap=200 (milliseconds) is expected"),
    BINDS("double-tap", read_double_tap, "double-tap or double-tap=300 (milliseconds) is expected"),
    BINDS("kind=", read_kind, "kind= takes a sort of device, such as pad, keyboard or hand-left"),
    BINDS("family=", read_family, "family= takes a name of 23 bytes at most, such as letters"),
    BINDS("sheet=", read_sheet, "sheet= takes a sheet's name of 23 bytes at most"),
    BINDS("observe", read_observe, "observe stands alone"),
    AMOUNT("dead=", inner, 0.0f, 0.99f, "dead= takes 0 to 0.99"),
    AMOUNT("outer=", outer, 0.01f, 1.0f, "outer= takes 0.01 to 1"),
    SHAPES("zone=", read_zone, "zone= takes rescaled, radial or axial"),
    {"power=", read_power, offsetof(np_reader, shaping.power), 0.25f, 8.0f, BOTH,
     "power= takes 0.25 to 8 in steps of 0.25"},
    SHAPES("curve=", read_curve,
           "curve= takes up to six points such as 0.5:0.2/0.8:0.6, each further than the last"),
    AMOUNT("lift=", lift, 0.0f, 0.99f, "lift= takes 0 to 0.99"),
    AMOUNT("scale=", scale, 0.001f, 1000.0f, "scale= takes 0.001 to 1000"),
    SHAPES("invert=", read_invert, "invert= takes x, y or xy"),
    SHAPES("gate=", read_gate, "gate= takes circle"),
    BINDS("by=", read_own, "by= takes the name of a shaping of this game's own"),
    BETWEEN("press=", press, 0.01f, 1.0f, "press= takes 0.01 to 1"),
    BETWEEN("release=", release, 0.001f, 1.0f, "release= takes 0.001 to 1"),
    BINDS("on-release", read_on_release, "on-release stands alone"),
    BETWEEN("rise=", rise, 0.01f, 1000.0f, "rise= takes 0.01 to 1000 a second"),
    BETWEEN("fall=", fall, 0.01f, 1000.0f, "fall= takes 0.01 to 1000 a second"),
    WISH("toggle", read_alone, toggle, 1.0f, NP_TEXT_COMFORT, "toggle stands alone"),
    WISH("lasts=", read_amount, lasts, 10000.0f, NP_TEXT_COMFORT,
         "lasts= takes 0 to 10000 milliseconds"),
    WISH("again=", read_amount, again, 10000.0f, NP_TEXT_COMFORT,
         "again= takes 0 to 10000 milliseconds"),
    WISH("sticky", read_alone, sticky, 1.0f, NP_TEXT_OF_ALL, "sticky stands alone"),
    WISH("swap-confirm", read_alone, swap_confirm, 1.0f, NP_TEXT_OF_ALL,
         "swap-confirm stands alone"),
    WISH("swap-sticks", read_alone, swap_sticks, 1.0f, NP_TEXT_OF_ALL, "swap-sticks stands alone"),
    {"slower=", read_amount, offsetof(np_reader, wish.waits), 0.1f, 10.0f, NP_TEXT_OF_ALL,
     "slower= takes 0.1 to 10"},
    WISH("rumble=", read_amount, rumble, 1.0f, NP_TEXT_OF_ALL, "rumble= takes 0 to 1"),
};

/* --- reading -------------------------------------------------------------------------------- */

static const option *find(const np_reader *in)
{
    for (size_t i = 0; i < sizeof options / sizeof *options; i++) {
        size_t length = strlen(options[i].name);
        if ((options[i].in & in->wanted) && (size_t)(in->end - in->at) >= length &&
            memcmp(in->at, options[i].name, length) == 0)
            return &options[i];
    }
    return NULL;
}

static bool fail_unknown(np_reader *in)
{
    const char *word = in->at, *near = NULL;
    size_t length = skip_word(in), name = 0;
    unsigned best = 3;
    char what[120];
    np_text text = np_text_in(what, sizeof what);

    while (name < length && word[name] != '=')
        name++;
    for (size_t i = 0; i < sizeof options / sizeof *options; i++) {
        size_t known = strcspn(options[i].name, "=");
        unsigned far = np_text_distance(word, name, options[i].name, known, best);
        if (far >= best || !(options[i].in & in->wanted)) continue;
        best = far;
        near = options[i].name;
    }
    np_text_add(&text, "is no option");
    np_text_add(&text, near ? "; did you mean " : " of this text");
    np_text_add(&text, near ? near : "");
    if (near) np_text_add(&text, "?");
    return np_reader_fail(in, what, word, length);
}

/* Whether an option says how a press is made. */
static bool is_gesture(const option *one)
{
    return one->read == read_hold || one->read == read_repeat || one->read == read_tap ||
           one->read == read_double_tap || one->read == read_many_taps ||
           one->read == read_on_release;
}

bool np_option_read(np_reader *in)
{
    const option *one = find(in);
    const char *word = in->at;
    float *into;

    if (!one) return fail_unknown(in);
    if (is_gesture(one) && in->binding.gesture != NPLUG_GESTURE_PRESS)
        return np_reader_fail(in, "is a second way of making a press: a binding has one", word,
                              skip_word(in));
    into = (float *)(void *)((char *)in + one->into);
    in->at += strlen(one->name);
    if (!one->read(in, into) || !ends_here(in) || *into < one->least || *into > one->most) {
        in->at = word;
        return np_reader_fail_here(in, one->expected);
    }
    return true;
}
