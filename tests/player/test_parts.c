/* Several people at shared keyboards and a mouse, against a plain model of the rules for who hears
 * which key.
 *
 * The model is written from the headers: it knows which keys are down, and of each one who has
 * heard it go down.  NPLUG_CASES=N: so many lists of keys and calls (100000 in ./dev test);
 * NPLUG_SEED=S: from seed S on. */
#include "edges.h"
#include <stdio.h>
#include <string.h>

#define PLAYERS 3
#define PARTS   2
#define BOARDS  3 /* two keyboards and a mouse */
#define MOUSE   2
#define TURNS   24  /* in each list */
#define LISTS   200 /* for each game */

static const struct {
    const char *name;
    int part; /* 0: in none */
} keys[] = {{"KeyW", 1},       {"KeyS", 1},    {"KeyA", 1},      {"KeyD", 1},
            {"KeyQ", 1},       {"ArrowUp", 2}, {"ArrowDown", 2}, {"ArrowLeft", 2},
            {"ArrowRight", 2}, {"KeyU", 2},    {"Space", 0},     {"left", -1}};
#define KEYS  COUNT_OF(keys)
#define CLICK (KEYS - 1) /* what the mouse has: its part is the game's to say */

/* Bindings: the keys of which any one drives, and one that must be held (KEYS: none). */
enum { ROW, SIGNAL, HAUL, MOOR, ACTIONS };
static const nplug_action_def actions[ACTIONS] = {
    [ROW] = {"row", NPLUG_ACTION_VECTOR,
             "keys:KeyW,KeyS,KeyA,KeyD | keys:ArrowUp,ArrowDown,ArrowLeft,ArrowRight", 0},
    [SIGNAL] = {"signal", NPLUG_ACTION_BUTTON, "key:KeyW | key:ArrowUp", 0},
    [HAUL] = {"haul", NPLUG_ACTION_BUTTON, "key:KeyQ | key:KeyU | key:Space | mouse:left", 0},
    [MOOR] = {"moor", NPLUG_ACTION_BUTTON, "key:KeyA+key:ArrowRight observe", 0},
};
static const struct {
    unsigned action, first, count, held;
} bindings[] = {{ROW, 0, 4, KEYS},    {ROW, 5, 4, KEYS},      {SIGNAL, 0, 1, KEYS},
                {SIGNAL, 5, 1, KEYS}, {HAUL, 4, 1, KEYS},     {HAUL, 9, 1, KEYS},
                {HAUL, 10, 1, KEYS},  {HAUL, CLICK, 1, KEYS}, {MOOR, 8, 1, 2}};
#define BINDINGS COUNT_OF(bindings)

/* What happened to an action of a player, in turn. */
typedef struct edge {
    nplug_time time;
    bool press, cancelled;
} edge;

typedef struct happened {
    edge at[96];
    unsigned count;
} happened;

typedef struct play {
    test_rig rig;
    nplug_seats rule;
    int mice; /* the part that they belong to; 0: none */
    bool down[BOARDS][KEYS], spent[BOARDS][KEYS];
    bool heard[BOARDS][KEYS][PLAYERS + 1]; /* that it went down, and is so */
    uint32_t hearers[BOARDS][PARTS + 1];   /* bit by player; 0: nobody's */
    bool seated[PLAYERS + 1];
    bool holds[PLAYERS + 1][BINDINGS];
    happened expected[PLAYERS + 1][ACTIONS], seen[PLAYERS + 1][ACTIONS];
    char story[4096];
    nplug_time now;
    uint32_t random;
} play;

static uint32_t below(play *play, uint32_t limit)
{
    return random_below(&play->random, limit);
}

static void add(happened *happened, nplug_time time, bool press, bool cancelled)
{
    ck_assert_uint_lt(happened->count, COUNT_OF(happened->at));
    happened->at[happened->count++] = (edge){time, press, !press && cancelled};
}

/* --- the model ------------------------------------------------------------------------------ */

/* Which part a key is in, or the mouse's button. */
static int part_of(const play *play, unsigned key)
{
    return key == CLICK ? play->mice : keys[key].part;
}

static bool is_heard(const play *play, unsigned key, int p)
{
    bool heard = false;

    for (unsigned b = 0; b < BOARDS; b++)
        heard |= play->heard[b][key][p];
    return heard;
}

static bool holds_action(const play *play, int p, unsigned action)
{
    bool holds = false;

    for (unsigned i = 0; i < BINDINGS; i++)
        holds |= bindings[i].action == action && play->holds[p][i];
    return holds;
}

/* A binding holds its action from a press on, as long as any key of it is heard, and the one that
 * must be held. */
static void set_holds(play *play, int p, unsigned binding, bool holds, nplug_time time,
                      bool cancelled)
{
    unsigned action = bindings[binding].action;
    bool was = holds_action(play, p, action);

    play->holds[p][binding] = holds;
    if (was != holds_action(play, p, action))
        add(&play->expected[p][action], time, !was, cancelled);
}

static bool may_hold(const play *play, int p, unsigned binding)
{
    bool any = false;

    for (unsigned k = 0; k < bindings[binding].count; k++)
        any |= is_heard(play, bindings[binding].first + k, p);
    return any && (bindings[binding].held == KEYS || is_heard(play, bindings[binding].held, p));
}

static bool has_key(unsigned binding, unsigned key)
{
    return key - bindings[binding].first < bindings[binding].count || bindings[binding].held == key;
}

/* A key is heard by a player from now on, or no more. */
static void hear(play *play, unsigned b, unsigned key, int p, bool heard, nplug_time time,
                 bool cancelled)
{
    bool was = is_heard(play, key, p);

    play->heard[b][key][p] = heard;
    if (was == is_heard(play, key, p)) return;
    for (unsigned i = 0; i < BINDINGS; i++)
        if (has_key(i, key) && may_hold(play, p, i) != play->holds[p][i])
            set_holds(play, p, i, may_hold(play, p, i), time, cancelled);
}

static uint32_t hearers_of(const play *play, unsigned b, int part)
{
    uint32_t hearers = part ? play->hearers[b][part] : 0;
    return hearers ? hearers : part ? 1u : 0;
}

/* Others hear a part.  Where none of those stays who did, all keys that are down are spent. */
static void set_hearers(play *play, unsigned b, int part, uint32_t hearers)
{
    uint32_t was = play->hearers[b][part];

    if (was == hearers) return;
    for (unsigned k = 0; k < KEYS; k++) {
        if (part_of(play, k) != part) continue;
        for (int p = 0; p <= PLAYERS; p++)
            if (play->heard[b][k][p] && (!(was & hearers) || !((hearers >> p) & 1u)))
                hear(play, b, k, p, false, play->now, true);
        play->spent[b][k] |= play->down[b][k] && !(was & hearers);
    }
    play->hearers[b][part] = hearers;
}

static void set_all(play *play, unsigned b, uint32_t hearers)
{
    for (int part = 1; part <= PARTS; part++)
        set_hearers(play, b, part, hearers);
}

static int free_seat(const play *play)
{
    for (int p = 1; p <= PLAYERS; p++)
        if (!play->seated[p]) return p;
    return 0;
}

static bool has_any(const play *play, int p)
{
    bool any = false;

    for (unsigned b = 0; b < BOARDS; b++)
        for (int part = 1; part <= PARTS; part++)
            any |= (play->hearers[b][part] >> p) & 1u;
    return any;
}

static uint32_t all_hearers(const play *play, unsigned b)
{
    return play->hearers[b][1] | play->hearers[b][2];
}

/* Whoever has the part that mice belong to has the mouse, and the other way round. */
static void claim(play *play, unsigned b, int part, int p)
{
    uint32_t losers = all_hearers(play, b);

    for (int i = 1; i <= PARTS; i++)
        if (part == 0 || part == i) set_hearers(play, b, i, 1u << p);
    if (!play->mice || (part && part != play->mice)) return;
    if (b != MOUSE && !(play->hearers[MOUSE][play->mice] & ~losers))
        set_hearers(play, MOUSE, play->mice, 1u << p);
    for (unsigned board = 0; b == MOUSE && board < MOUSE; board++)
        if (!(play->hearers[board][play->mice] & ~losers)) {
            set_hearers(play, board, play->mice, 1u << p);
            return;
        }
}

/* The press that seats somebody does nothing else. */
static void model_press(play *play, unsigned b, unsigned key, nplug_time time)
{
    int part = part_of(play, key), p = free_seat(play);
    uint32_t hearers = hearers_of(play, b, part);

    play->now = time;
    play->down[b][key] = true;
    if (hearers == 1u && p && play->rule == NPLUG_SEATS_FIRST_USE) {
        play->spent[b][key] = true;
        play->seated[p] = true;
        claim(play, b, part, p);
        return;
    }
    for (p = 0; p <= PLAYERS; p++)
        if ((hearers >> p) & 1u) hear(play, b, key, p, true, time, false);
}

static void model_release(play *play, unsigned b, unsigned key, nplug_time time)
{
    play->now = time;
    play->down[b][key] = play->spent[b][key] = false;
    for (int p = 0; p <= PLAYERS; p++)
        if (play->heard[b][key][p]) hear(play, b, key, p, false, time, false);
}

static uint32_t swapped(uint32_t bits, int a, int b)
{
    bool differ = ((bits >> a) ^ (bits >> b)) & 1u;
    return differ ? bits ^ (1u << a | 1u << b) : bits;
}

/* Both hold nothing of each other's after it; whoever else hears the part goes on. */
static void model_swap(play *play, int a, int b)
{
    bool seated = play->seated[a];

    play->seated[a] = play->seated[b];
    play->seated[b] = seated;
    for (unsigned board = 0; board < BOARDS; board++)
        for (unsigned k = 0; k < KEYS; k++)
            for (int p = 1; p <= PLAYERS; p++)
                if ((p == a || p == b) && play->heard[board][k][p])
                    hear(play, board, k, p, false, play->now, true);
    for (unsigned board = 0; board < BOARDS; board++)
        for (int part = 1; part <= PARTS; part++)
            set_hearers(play, board, part, swapped(play->hearers[board][part], a, b));
}

static void model_leave(play *play, int p)
{
    for (unsigned b = 0; play->seated[p] && b < BOARDS; b++)
        for (int part = 1; part <= PARTS; part++)
            set_hearers(play, b, part, play->hearers[b][part] & ~(1u << p));
    play->seated[p] = false;
}

/* What four keys come to: whoever comes to hear a key that is down already reads it at once. */
static nplug_vec2 model_row(const play *play, int p)
{
    nplug_vec2 best = {0.0f, 0.0f};

    for (unsigned i = 0; i < 2; i++) {
        bool on[4] = {false};
        nplug_vec2 value;
        for (unsigned k = 0; k < 4; k++)
            for (unsigned b = 0; b < BOARDS; b++) {
                unsigned key = bindings[i].first + k;
                uint32_t hearers = hearers_of(play, b, part_of(play, key));
                on[k] |= play->down[b][key] && !play->spent[b][key] && (hearers >> p) & 1u;
            }
        value.x = (float)on[3] - (float)on[2];
        value.y = (float)on[0] - (float)on[1];
        if (value.x * value.x + value.y * value.y > best.x * best.x + best.y * best.y) best = value;
    }
    return best;
}

/* --- playing -------------------------------------------------------------------------------- */

static const char *const boards[BOARDS] = {"keys", "keys-2", "mouse"};

static void open_game(play *play)
{
#define PORT      "KeyW,KeyS,KeyA,KeyD,KeyQ"
#define STARBOARD "ArrowUp,ArrowDown,ArrowLeft,ArrowRight,KeyU"
    static const nplug_part_def parts[3][PARTS] = {
        {{"port", PORT}, {"starboard", STARBOARD}},
        {{"port", PORT ",mouse"}, {"starboard", STARBOARD}},
        {{"port", PORT}, {"starboard", "mouse," STARBOARD}}};
    nplug_game game = nplug_game_for("parts", actions, ACTIONS, PLAYERS);

    play->rule = game.seats = below(play, 2) ? NPLUG_SEATS_FIRST_USE : NPLUG_SEATS_BY_CALL;
    play->mice = (int)below(play, 3);
    game.parts = parts[play->mice];
    game.part_count = PARTS;
    rig_open(&play->rig, &game, NULL);
    for (unsigned b = 0; b < BOARDS; b++)
        nplug_sim_plug(play->rig.sim, b, boards[b], b == MOUSE ? "stint" : "turnstone");
    rig_step(&play->rig, 10);
    play->now = 10;
}

static void note(play *play, nplug_time time, const char *what, const char *which, unsigned b,
                 int p)
{
    size_t used = strlen(play->story);

    snprintf(play->story + used, sizeof play->story - used, "  %llu %s %s, board %u, player %d\n",
             (unsigned long long)time, what, which, b, p);
}

static void turn_key(play *play, nplug_time time)
{
    unsigned b = below(play, BOARDS), key = b == MOUSE ? CLICK : below(play, CLICK);
    bool press = !play->down[b][key];

    note(play, time, press ? "press" : "release", keys[key].name, b, 0);
    if (press)
        nplug_sim_press(play->rig.sim, time, boards[b], keys[key].name, 0);
    else
        nplug_sim_release(play->rig.sim, time, boards[b], keys[key].name);
    if (press)
        model_press(play, b, key, time);
    else
        model_release(play, b, key, time);
}

static void see(play *play, const nplug_event *event)
{
    bool press = event->kind == NPLUG_EVENT_PRESS;

    if (!press && event->kind != NPLUG_EVENT_RELEASE) return;
    add(&play->seen[event->player][event->action], event->time, press,
        (event->flags & NPLUG_EVENT_FLAG_CANCELLED) != 0);
}

static nplug_time step_to(play *play, nplug_time from, nplug_time time)
{
    while (from < time) {
        nplug_time next = from + 1 + below(play, 30000);
        from = next < time ? next : time;
        rig_step(&play->rig, from);
        for (uint32_t i = 0; i < nplug_event_count(play->rig.nest); i++)
            see(play, nplug_event_at(play->rig.nest, i));
    }
    return from;
}

/* A call about who hears which part: it is taken at the time of the last step. */
static void call(play *play)
{
    static const char *const names[] = {"claim part", "claim", "share", "yield",
                                        "yield for",  "swap",  "leave"};
    unsigned which = below(play, COUNT_OF(names)), b = below(play, BOARDS);
    int p = 1 + (int)below(play, PLAYERS), other = 1 + p % PLAYERS, part = 1 + (int)below(play, 2);
    nplug_device device = nplug_device_at(play->rig.nest, b);
    nplug_player player = (nplug_player)p;

    note(play, play->now, names[which], part == 1 ? "port" : "starboard", b, p);
    switch (which) {
    case 0:
        nplug_claim_part(play->rig.nest, device, (uint32_t)part, player);
        claim(play, b, part, p);
        break;
    case 1:
        nplug_claim(play->rig.nest, device, player);
        claim(play, b, 0, p);
        break;
    case 2:
        nplug_share(play->rig.nest, device, player);
        for (part = 1; part <= PARTS; part++)
            set_hearers(play, b, part, play->hearers[b][part] | 1u << p);
        break;
    case 3:
        nplug_unclaim(play->rig.nest, device);
        set_all(play, b, 0);
        break;
    case 4:
        nplug_unclaim_for(play->rig.nest, device, player);
        for (part = 1; part <= PARTS; part++)
            set_hearers(play, b, part, play->hearers[b][part] & ~(1u << p));
        break;
    case 5:
        nplug_swap(play->rig.nest, player, (nplug_player)other);
        model_swap(play, p, other);
        break;
    default:
        nplug_leave(play->rig.nest, player);
        model_leave(play, p);
        break;
    }
    if (which < 3) play->seated[p] = true;
}

static void tell(const char *what, const happened *happened)
{
    fprintf(stderr, "  %s:", what);
    for (unsigned i = 0; i < happened->count; i++)
        fprintf(stderr, " %s@%llu",
                happened->at[i].press       ? "+"
                : happened->at[i].cancelled ? "x"
                                            : "-",
                (unsigned long long)happened->at[i].time);
    fprintf(stderr, "\n");
}

static bool are_same(const happened *a, const happened *b)
{
    bool same = a->count == b->count;

    for (unsigned i = 0; same && i < a->count; i++)
        same = a->at[i].time == b->at[i].time && a->at[i].press == b->at[i].press &&
               a->at[i].cancelled == b->at[i].cancelled;
    return same;
}

static void check(const play *play, int p, uint32_t seed)
{
    nplug_vec2 row = nplug_vector(play->rig.nest, (nplug_player)p, ROW), model = model_row(play, p);

    for (unsigned a = 0; a < ACTIONS; a++) {
        if (are_same(&play->expected[p][a], &play->seen[p][a])) continue;
        fprintf(stderr, "seed %u:\n%s", seed, play->story);
        tell("expected", &play->expected[p][a]);
        tell("seen", &play->seen[p][a]);
        ck_abort_msg("player %d's \"%s\" differs from the rules", p, actions[a].name);
    }
    if (p == 0) return; /* asked for 0, all answer together */
    ck_assert_int_eq(nplug_player_seated(play->rig.nest, (nplug_player)p), play->seated[p]);
    ck_assert_int_eq(nplug_player_device_count(play->rig.nest, (nplug_player)p) != 0,
                     has_any(play, p));
    if (row.x == model.x && row.y == model.y) return;
    fprintf(stderr, "seed %u:\n%s", seed, play->story);
    for (unsigned b = 0; b < BOARDS; b++)
        for (uint32_t part = 1; part <= PARTS; part++)
            fprintf(stderr, "  board %u part %u: %x, nest %x\n", b, part, play->hearers[b][part],
                    nplug_part_players(play->rig.nest, nplug_device_at(play->rig.nest, b), part));
    for (unsigned b = 0; b < BOARDS; b++)
        for (unsigned k = 0; k < KEYS; k++)
            if (play->down[b][k])
                fprintf(stderr, "  board %u %s down, spent %d\n", b, keys[k].name,
                        play->spent[b][k]);
    ck_abort_msg("player %d rows (%g, %g), not (%g, %g)", p, (double)row.x, (double)row.y,
                 (double)model.x, (double)model.y);
}

static void play_list(play *play)
{
    nplug_time at = play->now;

    memset(play->expected, 0, sizeof play->expected);
    memset(play->seen, 0, sizeof play->seen);
    play->story[0] = 0;
    for (unsigned i = 0; i < TURNS; i++) {
        if (below(play, 4) == 0) {
            at = step_to(play, play->now, at);
            play->now = at;
            call(play);
        } else {
            nplug_time from = play->now;
            turn_key(play, at += 1 + below(play, 9000));
            play->now = from;
        }
    }
    play->now = step_to(play, play->now, at + 100);
}

static void play_game(uint32_t seed)
{
    static play play;

    memset(&play, 0, sizeof play);
    play.random = seed * 2654435761u;
    open_game(&play);
    for (unsigned i = 0; i < LISTS; i++) {
        play_list(&play);
        for (int p = 0; p <= PLAYERS; p++)
            check(&play, p, seed);
    }
    rig_close(&play.rig);
}

TEST(a_key_is_heard_by_those_whose_part_it_is_in)
{
    play_cases("parts", play_game, LISTS, 30 * LISTS, 30);
}
