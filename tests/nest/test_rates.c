/* The frame rate changes nothing: random games, each played at several rates.
 *
 * All rates step at the same moments, every 50 ms, where the game gives its commands and everything
 * that it can ask is compared; between them each steps as often as it does.
 * NPLUG_CASES=N: so many games (NPLUG_SEED=S: from seed S on); ./dev rates N S. */
#include "edges.h"
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define ACTIONS 10
#define PLAYERS 3
#define MOMENT  (50 * MS)
#define MOMENTS 24
#define MOVES   70
#define UNITS   7

static const unsigned rates[] = {20, 60, 1000, 0}; /* 0: steps of any length */

/* What can be asked of one action of one player. */
typedef struct answer {
    nplug_action_facts state;
    nplug_vec2 sum; /* of a motion, all that was moved so far */
    uint64_t presses, releases;
} answer;

typedef struct moment {
    answer of[PLAYERS + 1][ACTIONS];
    nplug_active_set active[PLAYERS + 1];
    uint32_t devices[PLAYERS + 1];
    bool seated[PLAYERS + 1], waits[PLAYERS + 1];
} moment;

/* Something that the game tells the nest after a moment. */
typedef struct order {
    unsigned moment, kind, player, number, on;
} order;

typedef struct play {
    uint32_t seed, random;
    nplug_game game;
    nplug_action_def actions[ACTIONS];
    nplug_action_policy rules[ACTIONS];
    char names[ACTIONS][16], from[ACTIONS][200];
    nplug_move moves[MOVES];
    order orders[8];
    moment moments[COUNT_OF(rates)][MOMENTS];
    char events[COUNT_OF(rates)][1 << 17];
} play;

static uint32_t below(play *play, uint32_t limit)
{
    return random_below(&play->random, limit);
}

#define ANY_OF(play, list) ((list)[below(play, COUNT_OF(list))])

/* --- a random game -------------------------------------------------------------------------- */

static const char *const buttons[] = {
    "pad:south",
    "pad:east tap=120",
    "pad:east double-tap=200",
    "pad:west hold=150",
    "pad:north repeat=100:30",
    "key:KeyF",
    "key:KeyE hold=120",
    "key:ShiftLeft+key:KeyF",
    "pad:shoulder-left+pad:south",
    "pad:trigger-right",
    "pad:stick-left.up",
    "pad:stick-right.x press=0.7",
    "mouse:left",
    "mouse:wheel.up",
    "key:KeyF on-release",
    "pad:trigger-left press=0.3 release=0.2",
    "pad:shoulder-left+pad:trigger-right observe",
    "key-label:e",
    "key:KeyW | pad:dpad-up taps=3:100",
};
static const char *const levels[] = {
    "pad:trigger-right",
    "pad:trigger-left dead=0.1 power=2",
    "key:Space",
    "key:Space rise=3 fall=5",
    "keys:KeyQ,KeyE",
    "keys:KeyS,KeyW rise=4",
    "pad:stick-left.x",
    "pad:stick-right.up dead=0.3",
    "pad:shoulder-left+pad:trigger-right",
    "stick:throttle",
    "stick:rudder dead=0.1",
};
static const char *const vectors[] = {
    "pad:stick-left",
    "pad:stick-right dead=0.2 outer=0.9",
    "keys:KeyW,KeyS,KeyA,KeyD",
    "keys:KeyW,KeyS,KeyA,KeyD rise=6 fall=9",
    "pad:dpad",
    "pad:shoulder-left+pad:stick-right",
};
static const char *const motions[] = {
    "mouse:move",
    "mouse:wheel",
    "pad:stick-right",
    "pad:stick-left scale=2 dead=0.2",
    "keys:KeyW,KeyS,KeyA,KeyD",
    "pad:trigger-right",
    "key:ShiftLeft+mouse:move",
    "pad:shoulder-left+pad:stick-left",
    "mouse:wheel.up",
    "key:Space",
};

/* One to three different bindings of an action, parted by bars. */
static void make_bindings(play *play, nplug_action_kind kind, char text[200])
{
    unsigned count = 1 + below(play, 3);

    text[0] = 0;
    for (unsigned i = 0; i < count; i++) {
        const char *one = kind == NPLUG_ACTION_BUTTON   ? ANY_OF(play, buttons)
                          : kind == NPLUG_ACTION_LEVEL  ? ANY_OF(play, levels)
                          : kind == NPLUG_ACTION_VECTOR ? ANY_OF(play, vectors)
                                                        : ANY_OF(play, motions);
        size_t used = strlen(text);
        if (strstr(text, one)) continue;
        snprintf(text + used, 200 - used, "%s%s", used ? " | " : "", one);
    }
}

static void make_action(play *play, unsigned number)
{
    static const nplug_action_kind kinds[] = {NPLUG_ACTION_BUTTON, NPLUG_ACTION_BUTTON,
                                              NPLUG_ACTION_LEVEL, NPLUG_ACTION_VECTOR,
                                              NPLUG_ACTION_MOTION};
    nplug_action_kind kind = number < 2 ? NPLUG_ACTION_BUTTON : ANY_OF(play, kinds);
    nplug_action_policy *rule = &play->rules[number];

    snprintf(play->names[number], 16, "action-%u", number);
    make_bindings(play, kind, play->from[number]);
    play->actions[number] = (nplug_action_def){play->names[number], kind, play->from[number],
                                               number > 2 && below(play, 4) == 0};
    memset(rule, 0, sizeof *rule);
    rule->action = number;
    rule->opposite = (nplug_opposite)below(play, 5);
    if (kind != NPLUG_ACTION_MOTION) rule->merge = (nplug_merge)below(play, 3);
    if (kind == NPLUG_ACTION_BUTTON) rule->one_of = below(play, 4) == 0;
    if (kind == NPLUG_ACTION_BUTTON) rule->merge = NPLUG_MERGE_STRONGEST;
    rule->stays = kind == NPLUG_ACTION_LEVEL && below(play, 3) == 0;
}

/* Whoever joins does so by the first action; by the second one a player leaves. */
static void make_game(play *play)
{
    static const nplug_layer_def layers[] = {{"deck", 0, true}, {"helm", 3, true}};
    static const nplug_part_def parts[] = {{"left", "KeyW,KeyS,KeyA,KeyD,KeyQ,ShiftLeft"},
                                           {"right", "KeyF,KeyE,Space"}};
    static const nplug_seats seats[] = {NPLUG_SEATS_ONE, NPLUG_SEATS_FIRST_USE,
                                        NPLUG_SEATS_FIRST_USE, NPLUG_SEATS_BY_ACTION,
                                        NPLUG_SEATS_BY_ARRIVAL};
    nplug_game *game = &play->game;

    for (unsigned a = 0; a < ACTIONS; a++)
        make_action(play, a);
    *game = nplug_game_for("rates", play->actions, ACTIONS, PLAYERS);
    game->seats = ANY_OF(play, seats);
    game->players = 1 + below(play, PLAYERS);
    game->policies = play->rules;
    game->policy_count = below(play, 3) ? ACTIONS : 0;
    game->layers = layers;
    game->layer_count = 2;
    game->join = play->names[0];
    game->leave = below(play, 4) ? NULL : play->names[1];
    game->seat_wait_ms = below(play, 2) ? 0 : 200;
    game->wobble_ms = below(play, 3) ? 0 : 40;
    game->parts = parts;
    game->part_count = below(play, 3) ? 0 : 2;
}

/* --- a random story ------------------------------------------------------------------------- */

static const struct {
    const char *name, *model, *serial;
} units[UNITS] = {
    {"keys", "turnstone", NULL}, {"mouse", "stint", NULL},   {"pad-1", "heron", "H-1"},
    {"pad-2", "curlew", NULL},   {"pad-3", "dunlin", "D-3"}, {"quadrant", "godwit", NULL},
    {"mouse-2", "stint", "S-2"},
};

static const char *const keys[] = {"KeyF", "KeyE", "KeyW",  "KeyS",     "KeyA",
                                   "KeyD", "KeyQ", "Space", "ShiftLeft"};
static const char *const pads[] = {"south", "east", "west", "north", "shoulder-left", "dpad-up"};
static const char *const axes[] = {"stick-left", "stick-right", "trigger-left", "trigger-right"};

static void move_mouse(play *play, nplug_move *move)
{
    if (below(play, 4) == 0) {
        move->kind = NPLUG_MOVE_PRESS;
        move->what = "left";
        return;
    }
    move->kind = NPLUG_MOVE_SIGNAL;
    move->space = NPLUG_SPACE_EVDEV;
    move->code = 2u << 16 | (below(play, 3) ? below(play, 2) : 8);
    move->value = (int32_t)below(play, 121) - 60;
    if (move->code & 8u) move->value = (int32_t)below(play, 3) - 1;
}

static void move_pad(play *play, nplug_move *move)
{
    move->kind = NPLUG_MOVE_PRESS;
    move->what = ANY_OF(play, pads);
    if (below(play, 2)) return;
    move->kind = below(play, 3) ? NPLUG_MOVE_SWEEP : NPLUG_MOVE_FLICK;
    move->what = ANY_OF(play, axes);
    move->x = (float)below(play, 21) / 10.0f - 1.0f;
    move->y = (float)below(play, 21) / 10.0f - 1.0f;
    if (move->what[0] == 't' && move->x < 0.0f) move->x = 0.0f - move->x;
    if (below(play, 4) == 0) move->x = move->y = 0.0f;
}

static void move_unit(play *play, nplug_move *move, unsigned unit)
{
    if (unit == 0) {
        move->kind = NPLUG_MOVE_PRESS;
        move->what = ANY_OF(play, keys);
    } else if (unit == 1 || unit == 6) {
        move_mouse(play, move);
    } else if (unit == 5) {
        move->kind = NPLUG_MOVE_SWEEP;
        move->what = below(play, 2) ? "throttle" : "rudder";
        move->x = (float)below(play, 11) / 10.0f;
    } else {
        move_pad(play, move);
    }
}

static void make_move(play *play, nplug_move *move, unsigned unit)
{
    memset(move, 0, sizeof *move);
    move->time = 1 + below(play, (uint32_t)(MOMENTS * MOMENT - 2 * MOMENT));
    if (below(play, 3) == 0) move->time -= move->time % (10 * MS);
    move->on = units[unit].name;
    move->span = 1 + below(play, below(play, 2) ? 30000 : 300000);
    if (below(play, 9)) {
        move_unit(play, move, unit);
        return;
    }
    move->kind = below(play, 2) ? NPLUG_MOVE_DEPART : NPLUG_MOVE_ARRIVE;
    move->what = units[unit].model;
    move->serial = units[unit].serial;
}

static void make_order(play *play, order *order)
{
    order->moment = 1 + below(play, MOMENTS - 2);
    order->kind = below(play, 11);
    order->player = 1 + below(play, play->game.players);
    order->number = below(play, 64);
    order->on = below(play, 2);
}

/* Most of all that moves are two or three devices. */
static void make_story(play *play)
{
    unsigned chosen[3];

    for (unsigned i = 0; i < 3; i++)
        chosen[i] = below(play, UNITS);
    for (unsigned i = 0; i < MOVES; i++)
        make_move(play, &play->moves[i],
                  below(play, 6) ? chosen[below(play, 3)] : below(play, UNITS));
    for (unsigned i = 0; i < UNITS; i++) {
        play->moves[i].kind = NPLUG_MOVE_ARRIVE;
        play->moves[i].on = units[i].name;
        play->moves[i].what = units[i].model;
        play->moves[i].serial = units[i].serial;
        if (below(play, 4)) play->moves[i].time = 1 + i;
    }
    for (unsigned i = 0; i < COUNT_OF(play->orders); i++)
        make_order(play, &play->orders[i]);
}

/* --- playing -------------------------------------------------------------------------------- */

static void change_wishes(const order *order, nplug_nest *nest)
{
    static const char *const texts[] = {"toggle", "lasts=40", "sticky", "again=60", ""};
    nplug_following following = nplug_following_default();
    bool every = order->number % 5 == 2;

    following.only = order->on != 0;
    following.dwell_ms = 10 + order->number * 3;
    if (order->kind == 0) nplug_follow(nest, order->player, &following);
    if (order->kind == 1)
        nplug_set_comfort(nest, order->player, every ? NPLUG_EVERY_ACTION : order->number % ACTIONS,
                          texts[order->number % 5]);
}

static void change_bindings(const order *order, nplug_nest *nest)
{
    uint32_t action = order->number % ACTIONS;
    const char *text = kind_of(nest, action) == NPLUG_ACTION_BUTTON
                           ? "pad:east | key:KeyD tap | mouse:left"
                           : "pad:stick-left.x | pad:trigger-left";

    if (kind_of(nest, action) == NPLUG_ACTION_VECTOR) text = "pad:stick-right | pad:dpad";
    nplug_bind(nest, order->player, action, order->on ? text : NULL);
}

static void change_hands(const order *order, nplug_nest *nest, nplug_player other)
{
    uint32_t count = nplug_device_count(nest);
    nplug_device device = count ? nplug_device_at(nest, order->number % count) : 0;

    if (order->kind == 2 && device) nplug_claim(nest, device, order->player);
    if (order->kind == 3 && device) nplug_share(nest, device, order->player);
    if (order->kind == 4 && device) nplug_unclaim(nest, device);
    if (order->kind == 5) nplug_leave(nest, order->player);
    if (order->kind == 6 && other != order->player) nplug_swap(nest, order->player, other);
}

static void give_order(const play *play, const order *order, nplug_nest *nest)
{
    nplug_pick pick = {
        .size = sizeof pick, .player = order->player, .wait_ms = 120, .takes = order->on != 0};

    change_wishes(order, nest);
    change_hands(order, nest, 1 + order->number % play->game.players);
    if (order->kind == 7) nplug_switch_layer(nest, order->player, 1, order->on != 0);
    if (order->kind == 8) nplug_start_pick(nest, &pick);
    if (order->kind == 9) nplug_mute(nest, order->on ? 1u << NPLUG_KIND_PAD : 0);
    if (order->kind == 10) change_bindings(order, nest);
}

static void give_orders(const play *play, nplug_nest *nest, unsigned at)
{
    for (unsigned i = 0; i < COUNT_OF(play->orders); i++)
        if (play->orders[i].moment == at) give_order(play, &play->orders[i], nest);
}

/* Adds what one step said to what is known by then. */
static void listen(const play *play, const test_rig *rig, moment *known, char *events, size_t size)
{
    rig_events(rig, events, size);
    for (unsigned p = 0; p <= play->game.players; p++)
        for (unsigned a = 0; a < ACTIONS; a++) {
            answer *answer = &known->of[p][a];
            answer->presses += nplug_presses(rig->nest, p, a);
            answer->releases += nplug_releases(rig->nest, p, a);
            if (play->actions[a].kind != NPLUG_ACTION_MOTION) continue;
            answer->sum.x += nplug_motion(rig->nest, p, a).x;
            answer->sum.y += nplug_motion(rig->nest, p, a).y;
        }
}

static void ask(const play *play, const test_rig *rig, moment *known)
{
    for (unsigned p = 0; p <= play->game.players; p++) {
        known->active[p] = active_of(rig->nest, p);
        known->devices[p] = nplug_player_device_count(rig->nest, p);
        known->seated[p] = nplug_player_seated(rig->nest, p);
        known->waits[p] = nplug_player_waits(rig->nest, p);
        for (unsigned a = 0; a < ACTIONS; a++) {
            known->of[p][a].state.size = sizeof known->of[p][a].state;
            nplug_action_info(rig->nest, p, a, &known->of[p][a].state);
        }
    }
}

static nplug_time next_step(unsigned rate, nplug_time now, uint32_t *random)
{
    nplug_time number = rate ? now * rate / SECOND : 0;

    if (rate == 0) return now + 1 + random_below(random, random_below(random, 3) ? 3000 : 70000);
    while (number * SECOND / rate <= now)
        number++;
    return number * SECOND / rate;
}

static void play_at(play *play, unsigned r)
{
    static moment known;
    uint32_t random = play->random;
    nplug_time now = 0;
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits = nplug_limits_default();
    test_rig rig;

    memset(&known, 0, sizeof known);
    limits.events = 1024;
    limits.timers = 256;
    limits.ramps = limits.shapings = limits.gestures = 64;
    limits.records = play->seed % 2 ? 8192 : 0;
    setup.follow_rest = play->seed % 3 == 0;
    setup.limits = &limits;
    rig_open_setup(&rig, &play->game, setup);
    rig_play(&rig, play->moves, MOVES);
    for (unsigned m = 0; m < MOMENTS; m++) {
        do {
            nplug_time next = next_step(rates[r], now, &random);
            now = next < m * MOMENT ? next : m * MOMENT;
            rig_step(&rig, now);
            listen(play, &rig, &known, play->events[r], sizeof play->events[r]);
        } while (now < m * MOMENT);
        ask(play, &rig, &known);
        play->moments[r][m] = known;
        give_orders(play, rig.nest, m);
    }
    rig_close(&rig);
}

/* --- comparing ------------------------------------------------------------------------------ */

static void tell_game(const play *play)
{
    fprintf(stderr, "seats %d, players %u, parts %u, wobble %u, waits %u, leave %s\n",
            (int)play->game.seats, play->game.players, play->game.part_count, play->game.wobble_ms,
            play->game.seat_wait_ms, play->game.leave ? play->game.leave : "-");
    for (unsigned a = 0; a < ACTIONS; a++)
        fprintf(stderr, "  %s: kind %d, layer %u, merge %d%s: %s\n", play->names[a],
                (int)play->actions[a].kind, play->actions[a].layer,
                play->game.policy_count ? (int)play->rules[a].merge : 0,
                play->game.policy_count && play->rules[a].stays ? ", stays" : "", play->from[a]);
}

static void tell_story(const play *play, nplug_time until)
{
    for (unsigned i = 0; i < MOVES; i++) {
        const nplug_move *move = &play->moves[i];
        if (move->time > until) continue;
        fprintf(stderr, "  %7llu +%llu move %d %s %s %g %g %x %d\n", (unsigned long long)move->time,
                (unsigned long long)move->span, (int)move->kind, move->on,
                move->what ? move->what : "", (double)move->x, (double)move->y, move->code,
                move->value);
    }
    for (unsigned i = 0; i < COUNT_OF(play->orders); i++)
        if (play->orders[i].moment * MOMENT < until)
            fprintf(stderr, "  %7llu order %u player %u number %u on %u\n",
                    (unsigned long long)(play->orders[i].moment * MOMENT), play->orders[i].kind,
                    play->orders[i].player, play->orders[i].number, play->orders[i].on);
}

static bool is_near(float a, float b)
{
    return fabsf(a - b) <= 0.02f + 1e-4f * fabsf(a);
}

static bool answers_agree(const answer *a, const answer *b, bool motion)
{
    const nplug_action_facts *x = &a->state, *y = &b->state;

    if (motion)
        return is_near(a->sum.x, b->sum.x) && is_near(a->sum.y, b->sum.y) &&
               a->presses == b->presses && x->held == y->held;
    return a->presses == b->presses && a->releases == b->releases &&
           x->press_count == y->press_count && x->release_count == y->release_count &&
           x->press_time == y->press_time && x->release_time == y->release_time &&
           x->held_for == y->held_for && x->held == y->held && x->value.x == y->value.x &&
           x->value.y == y->value.y;
}

static void tell_answer(const char *what, const answer *answer)
{
    fprintf(stderr, "  %s: value %.9g %.9g, sum %.9g %.9g, presses %llu %llu, held %d for %llu\n",
            what, (double)answer->state.value.x, (double)answer->state.value.y,
            (double)answer->sum.x, (double)answer->sum.y, (unsigned long long)answer->presses,
            (unsigned long long)answer->state.press_count, answer->state.held,
            (unsigned long long)answer->state.held_for);
}

static void tell_rest(const char *what, const moment *moment, unsigned p)
{
    fprintf(stderr, "  %s: active %x since %llu, %u devices, seated %d, waits %d\n", what,
            moment->active[p].device, (unsigned long long)moment->active[p].since,
            moment->devices[p], moment->seated[p], moment->waits[p]);
}

static bool actives_agree(const nplug_active_set *a, const nplug_active_set *b)
{
    return a->device == b->device && a->kind == b->kind && a->present == b->present &&
           a->since == b->since;
}

static void compare_moment(const play *play, unsigned r, unsigned m, uint32_t seed)
{
    const moment *at = &play->moments[r][m], *first = &play->moments[0][m];

    for (unsigned p = 0; p <= play->game.players; p++) {
        bool same = actives_agree(&at->active[p], &first->active[p]) &&
                    at->devices[p] == first->devices[p] && at->seated[p] == first->seated[p] &&
                    at->waits[p] == first->waits[p];
        unsigned differs = ACTIONS;
        for (unsigned a = 0; a < ACTIONS; a++)
            if (!answers_agree(&at->of[p][a], &first->of[p][a],
                               play->actions[a].kind == NPLUG_ACTION_MOTION))
                differs = a;
        if (same && differs == ACTIONS) continue;
        tell_game(play);
        tell_story(play, m * MOMENT);
        tell_rest("20 a second", first, p);
        tell_rest("the other", at, p);
        if (differs < ACTIONS) tell_answer("20 a second", &first->of[p][differs]);
        if (differs < ACTIONS) tell_answer("the other", &at->of[p][differs]);
        ck_abort_msg("seed %u: at %u ms player %u %s differs at rate %u", seed, 50 * m, p,
                     differs < ACTIONS ? play->names[differs] : "(devices, active set)", rates[r]);
    }
}

static void compare(const play *play, unsigned r, uint32_t seed)
{
    char what[64];

    for (unsigned m = 0; m < MOMENTS; m++)
        compare_moment(play, r, m, seed);
    if (strcmp(play->events[r], play->events[0]) != 0) {
        tell_game(play);
        tell_story(play, MOMENTS * MOMENT);
    }
    snprintf(what, sizeof what, "seed %u, events at rate %u", seed, rates[r]);
    check_same(play->events[r], play->events[0], what);
}

static void play_game(uint32_t seed)
{
    static play play;

    memset(&play, 0, sizeof play);
    play.seed = seed;
    play.random = seed * 2654435761u;
    make_game(&play);
    make_story(&play);
    for (unsigned r = 0; r < COUNT_OF(rates); r++)
        play_at(&play, r);
    for (unsigned r = 1; r < COUNT_OF(rates); r++)
        compare(&play, r, seed);
}

TEST(the_frame_rate_changes_nothing)
{
    play_cases("rates", play_game, 1, 150, 40);
}
