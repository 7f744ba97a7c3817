#include "story.h"
#include <math.h>
#include <stdarg.h>
#include <stddef.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define MOST_WORDS 16

/* A story that is being played. */
typedef struct teller {
    test_rig rig;
    const told_story *story;
    char statement[600]; /* as it was told, for messages */
    char *words[MOST_WORDS];
    const char *text; /* behind " = ", or NULL */
    uint32_t count;
    nplug_time now, at;
    nplug_result result; /* that the statement's call must have */
    bool open, wanted;
    nplug_setup setup;
    nplug_limits limits;
    nplug_game game;
    nplug_action_def actions[16];
    nplug_layer_def layers[4];
    nplug_action_policy policies[4];
    nplug_part_def parts[4];
    struct {
        const char *name;
        nplug_device device;
    } named[8];
    uint32_t named_count;
} teller;

static void amiss(const teller *t, const char *format, ...)
{
    char why[200];
    va_list list;

    va_start(list, format);
    vsnprintf(why, sizeof why, format, list);
    va_end(list);
    ck_abort_msg("%s: \"%s\" %s", t->story->name, t->statement, why);
}

/* --- words that stand for something ----------------------------------------------------------- */

static const char *word(const teller *t, uint32_t index)
{
    if (index >= t->count) amiss(t, "lacks a word");
    return t->words[index];
}

static bool is(const char *a, const char *b)
{
    return strcmp(a, b) == 0;
}

static nplug_time moment(const char *text)
{
    return (nplug_time)(strtod(text, NULL) * 1000.0 + 0.5);
}

static float number(const teller *t, uint32_t index, float usual)
{
    return index < t->count ? strtof(t->words[index], NULL) : usual;
}

static nplug_player player(const teller *t, uint32_t index)
{
    const char *text = word(t, index);
    return is(text, "any") ? NPLUG_EVERYONE : (nplug_player)strtoul(text, NULL, 10);
}

static uint32_t action_named(const teller *t, const char *text)
{
    if (is(text, "*")) return NPLUG_EVERY_ACTION;
    for (uint32_t i = 0; i < t->game.action_count; i++)
        if (is(t->game.actions[i].name, text)) return i;
    return (uint32_t)strtoul(text, NULL, 10);
}

static uint32_t action(const teller *t, uint32_t index)
{
    return action_named(t, word(t, index));
}

static uint32_t layer(const teller *t, uint32_t index)
{
    const char *text = word(t, index);

    for (uint32_t i = 0; i < t->game.layer_count; i++)
        if (is(t->layers[i].name, text)) return i;
    return (uint32_t)strtoul(text, NULL, 10);
}

static nplug_device device_named(const teller *t, const char *text)
{
    if (*text == '#') return nplug_device_at(t->rig.nest, (uint32_t)strtoul(text + 1, NULL, 10));
    for (uint32_t i = 0; i < t->named_count; i++)
        if (*text == '$' && is(t->named[i].name, text + 1)) return t->named[i].device;
    return (nplug_device)strtoul(text, NULL, 0);
}

static nplug_device device(const teller *t, uint32_t index)
{
    return device_named(t, word(t, index));
}

/* The bits of kinds, by name: "pad,mouse". */
static uint32_t kinds(const char *text)
{
    uint32_t bits = 0;

    for (uint32_t kind = 1; kind < 16; kind++)
        if (strstr(text, nplug_kind_name(kind))) bits |= 1u << kind;
    return bits;
}

/* --- what comes of it ------------------------------------------------------------------------- */

static void holds(const teller *t, bool holds)
{
    if (holds != t->wanted) amiss(t, "does not come true at %g ms", (double)t->now / 1000.0);
}

static void gave(const teller *t, nplug_result result)
{
    if (result != t->result) amiss(t, "gives: %s", nplug_result_text(result));
}

/* A number against the word that says which it must be. */
static void measures(const teller *t, float value, const char *wanted)
{
    const char *tolerance = strchr(wanted, '~');
    float right = strtof(wanted + (*wanted == '<' || *wanted == '>'), NULL);
    bool true_ = *wanted == '<'   ? value < right
                 : *wanted == '>' ? value > right
                 : tolerance      ? fabsf(value - right) <= strtof(tolerance + 1, NULL)
                                  : value == right;

    if (true_ != t->wanted) amiss(t, "is %.7g", (double)value);
}

static void counts(const teller *t, uint64_t value, uint32_t index)
{
    measures(t, (float)value, word(t, index));
}

static uint32_t flags_named(const char *text)
{
    static const char *const names[] = {"cancelled",  "returned",     "late",
                                        "taken-over", "same-prompts", "low"};
    uint32_t flags = 0;

    for (unsigned i = 0; i < COUNT_OF(names); i++)
        if (strstr(text, names[i])) flags |= 1u << i;
    return flags;
}

/* Whether an event has what "member=value" says. */
static bool event_has(const teller *t, const nplug_event *event, const char *told)
{
    size_t length = strcspn(told, "=");
    const char *value = told + length + (told[length] == '=');
    struct {
        const char *name;
        bool has;
    } members[] = {{"player", event->player == strtoul(value, NULL, 10)},
                   {"device", event->device == device_named(t, value)},
                   {"other-device", event->other_device == device_named(t, value)},
                   {"other-player", event->other_player == strtoul(value, NULL, 10)},
                   {"action", event->action == action_named(t, value)},
                   {"control", event->control == nplug_control_named(value)},
                   {"way", is(nplug_way_name(event->way), value)},
                   {"limit", is(nplug_limit_name(event->limit), value)},
                   {"time", event->time == moment(value)},
                   {"count", event->press_count == strtoul(value, NULL, 10)},
                   {"part", event->part == strtoul(value, NULL, 10)},
                   {"battery", event->battery_percent == strtoul(value, NULL, 10)},
                   {"flags", event->flags == flags_named(value)}};

    for (size_t i = 0; i < COUNT_OF(members); i++)
        if (strncmp(members[i].name, told, length) == 0 && !members[i].name[length])
            return members[i].has;
    amiss(t, "has an unknown member");
    return false;
}

/* Whether the first event of a kind in the last step is as told. */
static void saw(teller *t)
{
    const nplug_event *event = NULL;
    bool all;

    for (uint32_t i = 0; !event && i < nplug_event_count(t->rig.nest); i++)
        if (is(nplug_event_name(nplug_event_at(t->rig.nest, i)->kind), word(t, 1)))
            event = nplug_event_at(t->rig.nest, i);
    all = event != NULL;
    for (uint32_t w = 2; all && w < t->count; w++)
        all = event_has(t, event, t->words[w]);
    holds(t, all);
}

/* How many events of a kind the last step left. */
static void events(teller *t)
{
    uint32_t found = 0;

    for (uint32_t i = 0; i < nplug_event_count(t->rig.nest); i++)
        found += is(nplug_event_name(nplug_event_at(t->rig.nest, i)->kind), word(t, 1));
    counts(t, found, 2);
}

#define NEST t->rig.nest
static void counted(teller *t)
{
    NPLUG_SIZED(nplug_action_facts, facts);
    nplug_action_info(NEST, player(t, 1), action(t, 2), &facts);
    counts(t, facts.press_count, 3);
}

static void both(const teller *t, nplug_vec2 value, uint32_t index)
{
    if (!is(word(t, index), "-")) measures(t, value.x, word(t, index));
    if (index + 1 < t->count) measures(t, value.y, word(t, index + 1));
}

/* hears #PLACE PART PLAYERS: who has a part, as "1", "1,3" or "-". */
static void hears(teller *t)
{
    uint32_t bits = 0;

    for (const char *at = word(t, 3); *at; at++)
        if (*at >= '1' && *at <= '9') bits |= 1u << (*at - '1');
    holds(t, nplug_part_players(NEST, device(t, 1), (uint32_t)number(t, 2, 0)) == bits);
}

static void active(teller *t)
{
    nplug_active_set set = active_of(NEST, player(t, 1));
    holds(t, is(word(t, 2), "-") ? set.device == 0
             : *word(t, 2) == '#' || *word(t, 2) == '$'
                 ? set.device == device(t, 2)
                 : is(nplug_kind_name(set.kind), word(t, 2)));
}

static void twin(teller *t)
{
    NPLUG_SIZED(nplug_device_facts, facts);
    nplug_device_info(NEST, device(t, 1), &facts);
    holds(t, facts.duplicate == (is(word(t, 2), "-") ? 0 : device(t, 2)));
}

/* effects DEVICE COUNT; strong and weak DEVICE MAGNITUDE, lights DEVICE PLAYER, of the last one. */
static void effect(teller *t)
{
    nplug_effect effect = {0};
    uint32_t count = nplug_sim_effects(t->rig.sim, word(t, 1), &effect);

    measures(t,
             is(word(t, 0), "effects")  ? (float)count
             : is(word(t, 0), "lights") ? (float)effect.player
             : is(word(t, 0), "strong") ? effect.strong
                                        : effect.weak,
             word(t, 2));
}

/* --- the game --------------------------------------------------------------------------------- */

static char *kept(const char *text)
{
    static char texts[4096];
    static size_t used;
    size_t size = strlen(text) + 1;

    if (used + size > sizeof texts) used = 0; /* of the stories before this one */
    used += size;
    return (char *)memcpy(texts + used - size, text, size);
}

static void add_action(teller *t)
{
    static const char *const names[] = {"button", "level", "vector", "motion", "pose"};
    static const nplug_action_kind kinds_of[] = {NPLUG_ACTION_BUTTON, NPLUG_ACTION_LEVEL,
                                                 NPLUG_ACTION_VECTOR, NPLUG_ACTION_MOTION,
                                                 NPLUG_ACTION_POSE};
    nplug_action_def *action = &t->actions[t->game.action_count++];
    char *name = kept(word(t, 1)), *at = strchr(name, '@');

    ck_assert_uint_le(t->game.action_count, COUNT_OF(t->actions));
    for (unsigned i = 0; i < COUNT_OF(names); i++)
        if (is(names[i], word(t, 0))) action->kind = kinds_of[i];
    if (at) {
        *at = 0;
        t->words[2] = at + 1;
        t->count = 3;
        action->layer = layer(t, 2);
    }
    action->name = name;
    action->bindings = t->text ? kept(t->text) : "";
}

static void use_harbour(teller *t)
{
    t->game.actions = harbour;
    t->game.action_count = COUNT_OF(harbour);
}

static void set_players(teller *t)
{
    t->game.players = (uint32_t)number(t, 1, 1);
    if (t->game.seats == NPLUG_SEATS_ONE) t->game.seats = NPLUG_SEATS_FIRST_USE;
}

static void set_seats(teller *t)
{
    static const char *const names[] = {"one", "first-use", "arrival", "call", "action"};
    static const nplug_seats seats[] = {NPLUG_SEATS_ONE, NPLUG_SEATS_FIRST_USE,
                                        NPLUG_SEATS_BY_ARRIVAL, NPLUG_SEATS_BY_CALL,
                                        NPLUG_SEATS_BY_ACTION};

    for (unsigned i = 0; i < COUNT_OF(names); i++)
        if (is(names[i], word(t, 1))) t->game.seats = seats[i];
}

static void add_layer(teller *t)
{
    nplug_layer_def *layer = &t->layers[t->game.layer_count++];

    t->game.layers = t->layers;
    layer->name = kept(word(t, 1));
    layer->priority = (int32_t)number(t, 2, 0);
    layer->on = is(word(t, 3), "on");
}

static void add_part(teller *t)
{
    nplug_part_def *part = &t->parts[t->game.part_count++];

    t->game.parts = t->parts;
    part->name = kept(word(t, 1));
    part->keys = kept(word(t, 2));
}

static void add_rule(teller *t)
{
    nplug_action_policy *rule = &t->policies[t->game.policy_count++];

    t->game.policies = t->policies;
    rule->action = action(t, 1);
    for (uint32_t i = 2; i < t->count; i++) {
        const char *told = t->words[i];
        if (strncmp(told, "one-of=", 7) == 0) rule->one_of = (uint32_t)atoi(told + 7);
        if (is(told, "stays")) rule->stays = true;
        if (is(told, "added")) rule->merge = NPLUG_MERGE_ADDED;
        if (is(told, "latest")) rule->merge = NPLUG_MERGE_LATEST;
        if (is(told, "keep-one")) rule->keep = NPLUG_KEEP_ONE;
        for (uint32_t o = 0; strncmp(told, "opposite=", 9) == 0 && o < 5; o++)
            if (is(told + 9, nplug_opposite_name(o))) rule->opposite = o;
        if (is(told, "keep-all")) rule->keep = NPLUG_KEEP_ALL;
    }
}

static void set_limit(teller *t)
{
    static const struct {
        const char *name;
        size_t at;
    } limits[] = {
#define LIMIT(name) {#name, offsetof(nplug_limits, name)}
        LIMIT(devices),  LIMIT(nodes),    LIMIT(signals), LIMIT(controls), LIMIT(links),
        LIMIT(actions),  LIMIT(bindings), LIMIT(sources), LIMIT(events),   LIMIT(timers),
        LIMIT(commands), LIMIT(shapings), LIMIT(ramps),   LIMIT(gestures), LIMIT(text)};
    uint32_t most = (uint32_t)number(t, 2, 0);

    t->setup.limits = &t->limits;
    for (size_t i = 0; i < COUNT_OF(limits); i++)
        if (is(limits[i].name, word(t, 1))) memcpy((char *)&t->limits + limits[i].at, &most, 4);
}

/* --- the hardware ----------------------------------------------------------------------------- */

static const char *option(const teller *t, const char *name)
{
    size_t length = strlen(name);

    for (uint32_t i = 1; i < t->count; i++)
        if (strncmp(t->words[i], name, length) == 0) return t->words[i] + length;
    return NULL;
}

static void move(teller *t)
{
    static const struct {
        const char *name;
        nplug_move_kind kind;
    } names[] = {{"plug", NPLUG_MOVE_ARRIVE}, {"unplug", NPLUG_MOVE_DEPART},
                 {"press", NPLUG_MOVE_PRESS}, {"release", NPLUG_MOVE_RELEASE},
                 {"sweep", NPLUG_MOVE_SWEEP}, {"roll", NPLUG_MOVE_ROLL},
                 {"noise", NPLUG_MOVE_NOISE}, {"asleep", NPLUG_MOVE_ASLEEP}};
    nplug_move move = {.time = t->at, .on = word(t, 1)};
    bool has_what = t->count > 2 && t->words[2][0] >= 'A';

    for (unsigned i = 0; i < COUNT_OF(names); i++)
        if (is(names[i].name, word(t, 0))) move.kind = names[i].kind;
    move.what = has_what ? t->words[2] : NULL;
    move.serial = option(t, "serial=");
    move.socket = option(t, "socket=");
    move.x = number(t, has_what ? 3 : 2, 0.0f);
    move.y = number(t, 4, 0.0f);
    if (move.kind == NPLUG_MOVE_PRESS) move.span = t->count > 3 ? moment(t->words[3]) : 0;
    if (move.kind > NPLUG_MOVE_PRESS) move.span = t->count > 5 ? moment(t->words[5]) : 0;
    gave(t, nplug_sim_move(t->rig.sim, &move));
}

/* say DEVICE CODE VALUE, by the kernel's type and code: "3:0". */
static void say(teller *t)
{
    char *code = NULL;
    uint32_t type = (uint32_t)strtoul(word(t, 2), &code, 16);

    rig_say(&t->rig, t->at, word(t, 1), type << 16 | (uint32_t)strtoul(code + 1, NULL, 16),
            (int32_t)number(t, 3, 0));
}

/* --- calls ------------------------------------------------------------------------------------ */

static void start_pick(teller *t)
{
    nplug_pick pick = nplug_pick_default();

    pick.player = player(t, 1);
    gave(t, nplug_start_pick(NEST, &pick));
}

static void follow(teller *t)
{
    nplug_following following = nplug_following_default();

    following.family = option(t, "family=");
    if (option(t, "pin=")) following.pin = device_named(t, option(t, "pin="));
    if (option(t, "ignored=")) following.ignored = kinds(option(t, "ignored="));
    following.only = option(t, "only") != NULL;
    gave(t, nplug_follow(NEST, player(t, 1), &following));
}

static void let(teller *t)
{
    t->named[t->named_count].name = kept(word(t, 1));
    t->named[t->named_count++].device = device(t, 2);
    ck_assert_uint_lt(t->named_count, COUNT_OF(t->named));
}

/* --- telling ---------------------------------------------------------------------------------- */

/* Each word, and the call that it stands for.  Those of the game come before anything else. */
#define OF_THE_GAME(X)                                                                             \
    X(button, add_action(t))                                                                       \
    X(level, add_action(t))                                                                        \
    X(vector, add_action(t))                                                                       \
    X(motion, add_action(t))                                                                       \
    X(pose, add_action(t))                                                                         \
    X(harbour, use_harbour(t))                                                                     \
    X(players, set_players(t))                                                                     \
    X(seats, set_seats(t))                                                                         \
    X(layer, add_layer(t))                                                                         \
    X(part, add_part(t))                                                                           \
    X(rule, add_rule(t))                                                                           \
    X(limit, set_limit(t))                                                                         \
    X(joined_by, t->game.join = kept(word(t, 1)))                                                  \
    X(left_by, t->game.leave = kept(word(t, 1)))                                                   \
    X(wobble, t->game.wobble_ms = (uint32_t)number(t, 1, 0))                                       \
    X(seat_wait, t->game.seat_wait_ms = (uint32_t)number(t, 1, 0))                                 \
    X(seat_kinds, t->game.seat_kinds = kinds(word(t, 1)))

#define OF_THE_STORY(X)                                                                            \
    X(plug, move(t))                                                                               \
    X(unplug, move(t))                                                                             \
    X(press, move(t))                                                                              \
    X(release, move(t))                                                                            \
    X(sweep, move(t))                                                                              \
    X(roll, move(t))                                                                               \
    X(noise, move(t))                                                                              \
    X(asleep, move(t))                                                                             \
    X(say, say(t))                                                                                 \
    X(layout, gave(t, nplug_sim_layout(t->rig.sim, t->at, word(t, 1))))                            \
    X(claim, gave(t, nplug_claim(NEST, device(t, 1), player(t, 2))))                               \
    X(share, gave(t, nplug_share(NEST, device(t, 1), player(t, 2))))                               \
    X(unclaim, gave(t, nplug_unclaim(NEST, device(t, 1))))                                         \
    X(unclaim_for, gave(t, nplug_unclaim_for(NEST, device(t, 1), player(t, 2))))                   \
    X(leave, gave(t, nplug_leave(NEST, player(t, 1))))                                             \
    X(restore, gave(t, nplug_restore(NEST, player(t, 1))))                                         \
    X(swap, gave(t, nplug_swap(NEST, player(t, 1), player(t, 2))))                                 \
    X(mute, gave(t, nplug_mute(NEST, t->count > 1 ? kinds(t->words[1]) : 0)))                      \
    X(bind, gave(t, nplug_bind(NEST, player(t, 1), action(t, 2), t->text)))                        \
    X(comfort,                                                                                     \
      gave(t, nplug_set_comfort(NEST, player(t, 1), action(t, 2), t->text ? t->text : "")))        \
    X(claim_part,                                                                                  \
      gave(t, nplug_claim_part(NEST, device(t, 1), (uint32_t)number(t, 2, 0), player(t, 3))))      \
    X(switch, gave(t, nplug_switch_layer(NEST, player(t, 1), layer(t, 2), is(word(t, 3), "on"))))  \
    X(pick, start_pick(t))                                                                         \
    X(rumble, gave(t, nplug_rumble(NEST, device(t, 1), number(t, 2, 0), number(t, 3, 0),           \
                                   (uint32_t)number(t, 4, 0))))                                    \
    X(follow, follow(t))                                                                           \
    X(let, let(t))                                                                                 \
    X(saw, saw(t))                                                                                 \
    X(events, events(t))                                                                           \
    X(held, holds(t, nplug_held(NEST, player(t, 1), action(t, 2))))                                \
    X(presses, counts(t, nplug_presses(NEST, player(t, 1), action(t, 2)), 3))                      \
    X(releases, counts(t, nplug_releases(NEST, player(t, 1), action(t, 2)), 3))                    \
    X(level, measures(t, nplug_level(NEST, player(t, 1), action(t, 2)), word(t, 3)))               \
    X(vector, both(t, nplug_vector(NEST, player(t, 1), action(t, 2)), 3))                          \
    X(motion, both(t, nplug_motion(NEST, player(t, 1), action(t, 2)), 3))                          \
    X(control,                                                                                     \
      both(t, nplug_control_value(NEST, device(t, 1), nplug_control_named(word(t, 2))), 3))        \
    X(counted, counted(t))                                                                         \
    X(seated, holds(t, nplug_player_seated(NEST, player(t, 1))))                                   \
    X(waits, holds(t, nplug_player_waits(NEST, player(t, 1))))                                     \
    X(devices, counts(t, nplug_device_count(NEST), 1))                                             \
    X(has, counts(t, nplug_player_device_count(NEST, player(t, 1)), 2))                            \
    X(rebound, holds(t, nplug_is_rebound(NEST, player(t, 1), action(t, 2))))                       \
    X(failures, counts(t, nplug_sim_failures(t->rig.sim, NULL), 1))                                \
    X(hears, hears(t))                                                                             \
    X(active, active(t))                                                                           \
    X(missed, holds(t, nplug_missed_at(NEST, player(t, 1), (uint32_t)number(t, 2, 0)) ==           \
                           (is(word(t, 3), "-") ? 0 : device(t, 3))))                              \
    X(bindings, holds(t, is(nplug_bindings(NEST, player(t, 1), action(t, 2)), t->text)))           \
    X(twin, twin(t))                                                                               \
    X(picking, holds(t, pick_of(NEST).waits))                                                      \
    X(shown, holds(t, is(active_of(NEST, player(t, 1)).family, word(t, 2))))                       \
    X(pinned, holds(t, active_of(NEST, player(t, 1)).pinned))                                      \
    X(comforts, holds(t, is(nplug_comfort(NEST, player(t, 1), action(t, 2)), t->text)))            \
    X(use, holds(t, nplug_use_press(NEST, player(t, 1), action(t, 2), (uint32_t)number(t, 3, 0)))) \
    X(effects, effect(t))                                                                          \
    X(lights, effect(t))                                                                           \
    X(strong, effect(t))                                                                           \
    X(weak, effect(t))

#define DEFINE(word, call)                                                                         \
    static void tell_##word(teller *t)                                                             \
    {                                                                                              \
        call;                                                                                      \
    }
#define DEFINE_OF_GAME(word, call) DEFINE(game_##word, call)
OF_THE_GAME(DEFINE_OF_GAME)
OF_THE_STORY(DEFINE)

typedef struct told_word {
    const char *name; /* with _ for - */
    void (*tell)(teller *t);
} told_word;

#define ROW_OF_GAME(word, call) {#word, tell_game_##word},
#define ROW(word, call)         {#word, tell_##word},
static const told_word of_the_game[] = {OF_THE_GAME(ROW_OF_GAME)};
static const told_word of_the_story[] = {OF_THE_STORY(ROW)};

static void open_story(teller *t)
{
    t->open = true;
    rig_open_setup(&t->rig, &t->game, t->setup);
}

/* A result that the statement ends with: "-> full". */
static void take_result(teller *t)
{
    static const struct {
        const char *name;
        nplug_result result;
    } results[] = {{"argument", NPLUG_ERR_ARGUMENT}, {"size", NPLUG_ERR_SIZE},
                   {"full", NPLUG_ERR_FULL},         {"stale", NPLUG_ERR_STALE},
                   {"unknown", NPLUG_ERR_UNKNOWN},   {"binding", NPLUG_ERR_BINDING},
                   {"order", NPLUG_ERR_ORDER},       {"kept", NPLUG_ERR_KEPT},
                   {"partly", NPLUG_PARTLY}};

    t->result = NPLUG_OK;
    if (t->count < 3 || !is(t->words[t->count - 2], "->")) return;
    for (unsigned i = 0; i < COUNT_OF(results); i++)
        if (is(results[i].name, t->words[t->count - 1])) t->result = results[i].result;
    t->count -= 2;
}

/* Parts a statement into words, and the text behind " = ". */
static void part_words(teller *t, char *statement)
{
    char *text = strstr(statement, " ="), *end = text ? strstr(text, " ->") : NULL;

    t->count = 0;
    t->text = NULL;
    if (text) {
        *text = 0;
        t->text = text[2] ? text + 3 : text + 2;
    }
    for (char *at = strtok(statement, " \n"); at; at = strtok(NULL, " \n")) {
        if (t->count == MOST_WORDS) amiss(t, "has too many words");
        t->words[t->count++] = at;
    }
    if (end) {
        *end = 0;
        t->words[t->count++] = (char *)(uintptr_t) "->";
        t->words[t->count++] = end + 4;
    }
}

/* Drops so many words from the front. */
static void drop(teller *t, uint32_t words)
{
    t->count -= words;
    memmove(t->words, t->words + words, t->count * sizeof *t->words);
}

/* A moment in front: of a step, or of a move. */
static void take_moment(teller *t)
{
    const char *first = t->words[0];

    t->at = t->now;
    if (*first < '0' || *first > '9') return;
    t->at = moment(first);
    if (first[strlen(first) - 1] == ':') {
        if (!t->open) open_story(t);
        t->now = t->at;
        rig_step(&t->rig, t->now);
    }
    drop(t, 1);
}

/* Whether a word is the one of a table. */
static bool is_word(const char *told, const char *name)
{
    while (*told && (*told == *name || (*told == '-' && *name == '_')))
        told++, name++;
    return *told == *name;
}

static bool told_by(teller *t, const told_word *words, size_t count)
{
    for (size_t i = 0; i < count; i++)
        if (is_word(t->words[0], words[i].name)) {
            words[i].tell(t);
            return true;
        }
    return false;
}

static void tell(teller *t)
{
    take_moment(t);
    t->wanted = !(t->count && is(t->words[0], "not"));
    if (!t->wanted) drop(t, 1);
    take_result(t);
    if (!t->count) return;
    if (!t->open && told_by(t, of_the_game, COUNT_OF(of_the_game))) return;
    if (!t->open) open_story(t);
    if (!told_by(t, of_the_story, COUNT_OF(of_the_story))) amiss(t, "is not understood");
}

void play_story(const told_story *story)
{
    teller t = {.story = story, .setup = nplug_setup_default(), .limits = nplug_limits_default()};
    const char *from = story->text;
    char words[sizeof t.statement];

    t.game = nplug_game_for_one("story", t.actions, 0);
    while (*from) {
        size_t length = strcspn(from, ";");
        from += strspn(from, " \n");
        length = strcspn(from, ";");
        ck_assert_uint_lt(length, sizeof words);
        snprintf(t.statement, sizeof t.statement, "%.*s", (int)length, from);
        memcpy(words, t.statement, sizeof words);
        part_words(&t, words);
        if (t.count) tell(&t);
        from += length + (from[length] == ';');
    }
    rig_close(&t.rig);
}
