/* Zones of touch surfaces, as the game says them.
 *
 * Owns nothing.  Comes in: a game's table.  Goes out: which controls a zone is, and what is wrong
 * with one. */
#include "core/game/game.h"
#include <string.h>

#define SPREAD 4 /* controls of a list: up, down, left, right */

/* --- the controls that a zone stands for --------------------------------------------------------
 */

/* Reads a list of controls; how many there are, 0 where one is none or there are too many. */
static uint32_t read_as(const char *as, nplug_control list[SPREAD])
{
    uint32_t count = 0;

    for (const char *at = as; at; count++) {
        const char *end = strchr(at, ',');
        size_t length = end ? (size_t)(end - at) : strlen(at);
        if (count == SPREAD) return 0;
        list[count] = nplug_control_from_name(at, length);
        if (!list[count]) return 0;
        at = end ? end + 1 : NULL;
    }
    return count;
}

static np_zone_role role_of(uint32_t kind)
{
    static const uint8_t roles[] = {NP_ZONE_BUTTON, NP_ZONE_STICK, NP_ZONE_STICK, NP_ZONE_SLIDER,
                                    NP_ZONE_MOVE};
    return (np_zone_role)roles[kind];
}

/* Its main control, or those of others that it stands for; how many. */
static uint32_t controls_of(const nplug_game *game, uint32_t zone, nplug_control list[SPREAD])
{
    const nplug_zone_def *def = np_zone_row(game, zone);

    if (def->as) return read_as(def->as, list);
    list[0] = NP_ZONE_CONTROL(zone, role_of(def->kind));
    return 1;
}

static void axis(np_zone_signal *signal, uint32_t component, int32_t min)
{
    signal->component = (uint8_t)component;
    signal->nature = NPLUG_NATURE_AXIS;
    signal->min = min;
    signal->max = NP_ZONE_END;
}

static void delta(np_zone_signal *signal, uint32_t component)
{
    signal->component = (uint8_t)component;
    signal->nature = NPLUG_NATURE_DELTA;
}

static void button(np_zone_signal *signal)
{
    signal->nature = NPLUG_NATURE_BUTTON;
    signal->max = 1;
}

/* Movement, a tap, a swipe, a pinch, a turn. */
static bool area_signal(uint32_t zone, uint32_t index, np_zone_signal *signal)
{
    static const uint8_t roles[] = {NP_ZONE_MOVE,  NP_ZONE_MOVE,  NP_ZONE_TAP, NP_ZONE_SWIPE,
                                    NP_ZONE_SWIPE, NP_ZONE_PINCH, NP_ZONE_TURN};

    if (index >= sizeof roles) return false;
    if (index >= 2) signal->control = NP_ZONE_CONTROL(zone, roles[index]);
    if (roles[index] == NP_ZONE_MOVE)
        delta(signal, index);
    else if (roles[index] == NP_ZONE_SWIPE)
        delta(signal, index - 3);
    else if (roles[index] == NP_ZONE_TAP)
        button(signal);
    else
        axis(signal, 0, -NP_ZONE_END);
    return true;
}

bool np_zone_signal_at(const nplug_game *game, uint32_t zone, uint32_t index,
                       np_zone_signal *signal)
{
    uint32_t kind = np_zone_row(game, zone)->kind, count;
    nplug_control list[SPREAD];

    memset(signal, 0, sizeof *signal);
    count = controls_of(game, zone, list);
    signal->control = list[count == SPREAD && index < SPREAD ? index : 0];
    switch (kind) {
    case NPLUG_ZONE_BUTTON:
        button(signal);
        return index == 0;
    case NPLUG_ZONE_SLIDER:
        axis(signal, 0, 0);
        return index == 0;
    case NPLUG_ZONE_AREA:
        return area_signal(zone, index, signal);
    default:
        if (count == SPREAD)
            button(signal);
        else
            axis(signal, index, -NP_ZONE_END);
        return index < (count == SPREAD ? SPREAD : 2);
    }
}

uint32_t np_zone_signals(const nplug_game *game, uint32_t zone)
{
    np_zone_signal signal;
    uint32_t count = 0;

    while (np_zone_signal_at(game, zone, count, &signal))
        count++;
    return count;
}

/* --- names ------------------------------------------------------------------------------------ */

static bool is_name(const char *name, const char *word, size_t length)
{
    return strlen(name) == length && memcmp(name, word, length) == 0;
}

static nplug_control named_part(uint32_t zone, const char *word, size_t length)
{
    static const struct {
        const char *name;
        np_zone_role role;
    } parts[] = {{"-tap", NP_ZONE_TAP},
                 {"-swipe", NP_ZONE_SWIPE},
                 {"-pinch", NP_ZONE_PINCH},
                 {"-turn", NP_ZONE_TURN}};

    for (size_t i = 0; i < sizeof parts / sizeof *parts; i++)
        if (is_name(parts[i].name, word, length)) return NP_ZONE_CONTROL(zone, parts[i].role);
    return 0;
}

nplug_control np_zone_named(const nplug_game *game, const char *name, size_t length)
{
    for (uint32_t i = 0; i < game->zone_count; i++) {
        const nplug_zone_def *def = np_zone_row(game, i);
        if (!def->as && is_name(def->name, name, length))
            return NP_ZONE_CONTROL(i, role_of(def->kind));
    }
    for (uint32_t i = 0; i < game->zone_count; i++) {
        const nplug_zone_def *def = np_zone_row(game, i);
        size_t own = strlen(def->name);
        nplug_control found = 0;
        if (def->kind == NPLUG_ZONE_AREA && length > own && memcmp(def->name, name, own) == 0)
            found = named_part(i, name + own, length - own);
        if (found) return found;
    }
    return 0;
}

/* --- what may be wrong ---------------------------------------------------------------------------
 */

uint32_t np_zone_parts(const nplug_game *game)
{
    uint32_t most = 0;

    for (uint32_t i = 0; i < game->zone_count; i++)
        if (np_zone_row(game, i)->part > most) most = np_zone_row(game, i)->part;
    return most;
}

static bool is_word(const char *name)
{
    size_t length = name ? strlen(name) : 0;

    for (size_t i = 0; i < length; i++) {
        char c = name[i];
        if (!((c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') ||
              c == '-' || c == '_'))
            return false;
    }
    return length > 0 && length <= 48;
}

static bool is_size(float number)
{
    return number > 0.0f && number <= 10000.0f;
}

static bool is_place(float number)
{
    return number >= -10000.0f && number <= 10000.0f;
}

/* Whether the controls of others that a zone stands for are of its nature. */
static bool suits(const nplug_zone_def *def)
{
    nplug_control list[SPREAD];
    uint32_t count = read_as(def->as, list);
    bool sticks = def->kind == NPLUG_ZONE_STICK || def->kind == NPLUG_ZONE_DPAD, all = count != 0;
    nplug_nature wanted = def->kind == NPLUG_ZONE_AREA                        ? NPLUG_NATURE_DELTA
                          : def->kind == NPLUG_ZONE_BUTTON || count == SPREAD ? NPLUG_NATURE_BUTTON
                                                                              : NPLUG_NATURE_AXIS;
    unsigned numbers = (sticks && count == 1) || def->kind == NPLUG_ZONE_AREA ? 2u : 1u;

    if (count != 1 && !(sticks && count == SPREAD)) return false;
    for (uint32_t i = 0; i < count; i++) {
        unsigned class_ = NPLUG_CONTROL_CLASS(list[i]), components;
        all &= nplug_control_nature(list[i], &components) == wanted && components == numbers;
        all &= class_ != NPLUG_CLASS_TOUCH && class_ != NPLUG_CLASS_ZONE &&
               class_ != NPLUG_CLASS_KEY_LABEL;
    }
    return all;
}

static const char *wrong_with(const nplug_game *game, uint32_t zone)
{
    const nplug_zone_def *def = np_zone_row(game, zone);
    uint32_t layers = game->layers ? game->layer_count : 32u;

    if (!is_word(def->name)) return "has no name of 1 to 48 letters, digits, '-' and '_'";
    for (uint32_t i = 0; i < zone; i++)
        if (strcmp(np_zone_row(game, i)->name, def->name) == 0)
            return "has the name of another one";
    if (def->kind > NPLUG_ZONE_AREA) return "is of no kind";
    if (def->layer >= layers) return "is in no layer of the game";
    if (def->part > NPLUG_PARTS_MAX) return "is in a part above 4";
    if (def->corner > NPLUG_CORNER_BOTTOM_RIGHT) return "is at no corner";
    if (!is_size(def->width) || !is_size(def->height)) return "has no size";
    if (!is_place(def->x) || !is_place(def->y)) return "is nowhere";
    if (!(def->reach >= 0.0f && def->reach <= 10000.0f)) return "has a reach below 0";
    if (def->as && !suits(def)) return "stands for something that no zone of its kind can be";
    return NULL;
}

uint32_t nplug_game_wrong_zone(const nplug_game *game, const char **why)
{
    for (uint32_t i = 0; game && i < game->zone_count; i++)
        if ((*why = wrong_with(game, i)) != NULL) return i;
    return NPLUG_NO_ZONE;
}
