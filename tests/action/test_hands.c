/* Hands: either one, the dominant one, asleep ones, and their poses, against a plain model written
 * from the headers.
 *
 * NPLUG_SEED=S: from seed S on. */
#include "support.h"
#include <math.h>
#include <stdlib.h>
#include <string.h>

#define GAMES 60
#define MOVES 300

enum { EITHER, MAIN, OFF, LEFT_ONLY, GRIP, ACTIONS };
enum { LEFT, RIGHT, HANDS };

static const nplug_action_def actions[ACTIONS] = {
    [EITHER] = {"either", NPLUG_ACTION_BUTTON, "hand:trigger", 0},
    [MAIN] = {"main", NPLUG_ACTION_BUTTON, "hand-main:trigger", 0},
    [OFF] = {"off", NPLUG_ACTION_BUTTON, "hand-off:trigger", 0},
    [LEFT_ONLY] = {"left", NPLUG_ACTION_BUTTON, "hand-left:trigger", 0},
    [GRIP] = {"grip", NPLUG_ACTION_POSE, "hand-main:pose-grip", 0}};
static const char *const names[HANDS] = {"left", "right"};
static const char *const models[HANDS] = {"osprey-left", "osprey-right"};

#define TRACKING 45u /* the code of grip/pose/tracking, as the files number paths */

/* --- the model ---------------------------------------------------------------------------------
 */

typedef struct hand {
    bool here, asleep, down, spent;
    bool served[ACTIONS], unseen[ACTIONS]; /* it drives that; nobody saw it pressed for that */
    uint32_t tracking;                     /* OpenXR's flags */
    float x;                               /* where it is */
} hand;

typedef struct model {
    hand hands[HANDS];
    int main;
    bool follows, held[ACTIONS];
    uint64_t presses[ACTIONS];
} model;

typedef struct rig {
    test_rig rig;
    model model;
    nplug_time now;
    uint64_t presses[ACTIONS];
} rig;

static bool is_alone(const model *m, int h)
{
    return !m->hands[1 - h].here;
}

static bool serves(const model *m, int h, int action)
{
    if (action == EITHER) return true;
    if (action == LEFT_ONLY) return h == LEFT;
    return is_alone(m, h) || (action == OFF) == (h != m->main);
}

/* What a hand that is down drives from now on counts when it is pressed anew. */
static void serve(model *m)
{
    for (int h = 0; h < HANDS; h++)
        for (int a = 0; a < GRIP; a++) {
            bool is = m->hands[h].here && serves(m, h, a);
            if (is && !m->hands[h].served[a]) m->hands[h].unseen[a] = m->hands[h].down;
            m->hands[h].served[a] = is;
        }
}

static void settle(model *m)
{
    serve(m);
    for (int a = 0; a < GRIP; a++) {
        bool held = false;
        for (int h = 0; h < HANDS; h++)
            held |= m->hands[h].here && m->hands[h].down && !m->hands[h].spent && serves(m, h, a) &&
                    !m->hands[h].unseen[a];
        m->presses[a] += held && !m->held[a];
        m->held[a] = held;
    }
}

/* What a hand holds is let go of, and counts no more until it was up. */
static void spend(hand *h)
{
    h->spent = h->spent || h->down;
}

/* --- what happens ------------------------------------------------------------------------------
 */

static void plug(rig *r, int h)
{
    hand *it = &r->model.hands[h];

    memset(it, 0, sizeof *it);
    it->here = true;
    it->tracking = 15;
    nplug_sim_plug(r->rig.sim, r->now, names[h], models[h]);
}

static void unplug(rig *r, int h)
{
    r->model.hands[h].here = false;
    nplug_sim_unplug(r->rig.sim, r->now, names[h]);
}

static void pull(rig *r, int h)
{
    model *m = &r->model;
    hand *it = &m->hands[h];

    it->down = !it->down;
    nplug_sim_sweep(r->rig.sim, r->now, names[h], "trigger", (nplug_vec2){it->down, 0}, 0);
    if (!it->down) it->spent = false;
    if (!it->down) memset(it->unseen, 0, sizeof it->unseen);
    if (it->down && it->asleep) it->spent = true;
    settle(m);
    if (!it->down || it->spent || !m->follows || m->main == h) return;
    m->main = h;
}

static void turn_in(rig *r, int h)
{
    hand *it = &r->model.hands[h];
    nplug_move move = {.time = r->now, .kind = NPLUG_MOVE_ASLEEP, .on = names[h]};

    it->asleep = !it->asleep;
    move.x = it->asleep;
    ck_assert_int_eq(nplug_sim_move(r->rig.sim, &move), NPLUG_OK);
    spend(it);
}

static void set_main(rig *r)
{
    static const uint32_t wishes[] = {NPLUG_KIND_HAND_LEFT, NPLUG_KIND_HAND_RIGHT,
                                      NPLUG_KIND_UNKNOWN};
    uint32_t wish = wishes[rand() % 3];

    ck_assert_int_eq(nplug_set_dominant(r->rig.nest, wish), NPLUG_OK);
    r->model.follows = wish == NPLUG_KIND_UNKNOWN;
    if (!r->model.follows) r->model.main = wish == NPLUG_KIND_HAND_LEFT ? LEFT : RIGHT;
}

/* A touch is felt, and is no use: it joins, switches and picks nothing. */
static void track(rig *r, int h)
{
    hand *it = &r->model.hands[h];
    nplug_pose pose = {{(float)(rand() % 100) / 64.0f, 1.0f, 0.0f}, {0.0f, 2.0f, 0.0f, 0.0f}};
    nplug_move move = {.time = r->now,
                       .kind = NPLUG_MOVE_SIGNAL,
                       .on = names[h],
                       .space = NPLUG_SPACE_OPENXR,
                       .code = TRACKING};

    it->tracking = (uint32_t)rand() % 16;
    move.value = (int32_t)it->tracking;
    nplug_sim_move(r->rig.sim, &move);
    it->x = pose.position[0];
    move.kind = NPLUG_MOVE_POSE;
    move.what = "pose-grip";
    move.pose = &pose;
    nplug_sim_move(r->rig.sim, &move);
    nplug_sim_press(r->rig.sim, r->now, names[h], "trigger-touch", 2 * MS);
}

static void do_something(rig *r)
{
    int h = rand() % HANDS, what = rand() % 24;

    r->now += 20 * MS;
    if (what == 0)
        set_main(r);
    else if (!r->model.hands[h].here)
        plug(r, h);
    else if (what == 1)
        unplug(r, h);
    else if (what < 4)
        turn_in(r, h);
    else if (what < 10)
        track(r, h);
    else
        pull(r, h);
    settle(&r->model);
}

/* --- playing it --------------------------------------------------------------------------------
 */

static unsigned worth(const hand *h)
{
    bool placed = h->tracking & 2, turned = h->tracking & 1;

    return 1u + 2u * (placed + turned) +
           8u * ((placed && h->tracking & 8) + (turned && h->tracking & 4));
}

/* Of the hands that serve the action, the pose that is known best. */
static void compare_poses(const rig *r)
{
    const model *m = &r->model;
    unsigned best = 0;
    NPLUG_SIZED(nplug_pose_facts, facts);
    nplug_result result = nplug_action_pose(r->rig.nest, 1, GRIP, &facts);
    int from;

    for (int h = 0; h < HANDS; h++)
        if (m->hands[h].here && serves(m, h, MAIN) && worth(&m->hands[h]) > best)
            best = worth(&m->hands[h]);
    ck_assert_int_eq(result, best ? NPLUG_OK : NPLUG_ERR_UNKNOWN);
    ck_assert_float_eq_tol(fabsf(facts.pose.orientation[1]) + fabsf(facts.pose.orientation[3]),
                           1.0f, 0.001f);
    if (result != NPLUG_OK) return;
    from = NPLUG_CONTROL_CLASS(facts.control) == NPLUG_CLASS_HAND_LEFT ? LEFT : RIGHT;
    ck_assert(serves(m, from, MAIN) && worth(&m->hands[from]) == best);
    ck_assert_float_eq_tol(facts.pose.position[0], m->hands[from].x, 0.001f);
    ck_assert_int_eq(facts.position_valid, (m->hands[from].tracking & 2) != 0);
    ck_assert_int_eq(facts.awake, !m->hands[from].asleep);
    ck_assert(facts.has_velocity && facts.has_turn_rate);
}

static void compare(rig *r)
{
    const model *m = &r->model;

    for (uint32_t a = 0; a < GRIP; a++) {
        r->presses[a] += nplug_presses(r->rig.nest, 1, a);
        ck_assert_int_eq(nplug_held(r->rig.nest, 1, a), m->held[a]);
        ck_assert_uint_eq(r->presses[a], m->presses[a]);
    }
    ck_assert_uint_eq(nplug_dominant(r->rig.nest),
                      m->main == LEFT ? NPLUG_KIND_HAND_LEFT : NPLUG_KIND_HAND_RIGHT);
    for (uint32_t i = 0; i < nplug_device_count(r->rig.nest); i++) {
        NPLUG_SIZED(nplug_device_facts, facts);
        nplug_device_info(r->rig.nest, nplug_device_at(r->rig.nest, i), &facts);
        ck_assert_int_eq(facts.asleep,
                         m->hands[facts.kind == NPLUG_KIND_HAND_LEFT ? LEFT : RIGHT].asleep);
    }
    compare_poses(r);
}

TESTS(hands_are_as_the_model_has_them, GAMES)
{
    const char *seed = getenv("NPLUG_SEED");
    nplug_game game = nplug_game_for_one("hands", actions, ACTIONS);
    rig r;

    srand((seed ? (unsigned)atoi(seed) : 1u) + (unsigned)_i);
    memset(&r, 0, sizeof r);
    r.model.main = RIGHT;
    rig_open(&r.rig, &game, NULL);
    for (int i = 0; i < MOVES; i++) {
        do_something(&r);
        rig_step(&r.rig, r.now + 10 * MS);
        compare(&r);
    }
    ck_assert_uint_eq(nplug_sim_failures(r.rig.sim, NULL), 0);
    rig_close(&r.rig);
}

/* Poses, tracking, sleep and pulls: recorded hands replay to the same digests. */
TESTS(recorded_hands_replay, 8)
{
    static test_tape tape;
    nplug_game game = nplug_game_for_one("hands", actions, ACTIONS);
    nplug_limits limits = nplug_limits_for(&game);
    rig r;

    memset(&tape, 0, sizeof tape);
    memset(&r, 0, sizeof r);
    srand(1u + (unsigned)_i);
    r.model.main = RIGHT;
    limits.records = COUNT_OF(tape.records);
    rig_open(&r.rig, &game, &limits);
    for (int n = 0; n < 200; n++) {
        do_something(&r);
        rig_step(&r.rig, r.now + 10 * MS);
        tape_note(&tape, r.rig.nest);
    }
    ck_assert_uint_gt(tape.count, 1000);
    tape_check(&tape, &game);
    rig_close(&r.rig);
}

/* Resting fingers, a headset that is put on, and hands that move are no use; a pull is. */
TEST(a_finger_that_rests_is_no_use)
{
    static const char *const felt[] = {"trigger-touch",   "trigger-near", "thumbstick-touch",
                                       "thumbrest-touch", "lower-touch",  "upper-touch"};
    nplug_game game = nplug_game_for("hands", actions, ACTIONS, 4);
    nplug_pick pick = nplug_pick_default();
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "left", "osprey-left");
    nplug_sim_plug(rig.sim, 0, "head", "osprey-headset");
    nplug_start_pick(rig.nest, &pick);
    rig_step(&rig, MS);
    for (size_t i = 0; i < COUNT_OF(felt); i++)
        nplug_sim_press(rig.sim, (10 + 10 * i) * MS, "left", felt[i], 5 * MS);
    nplug_sim_press(rig.sim, 90 * MS, "head", "worn", 0);
    rig_step(&rig, 100 * MS);
    ck_assert(!rig_saw(&rig, NPLUG_EVENT_PICK, NULL) && !rig_saw(&rig, NPLUG_EVENT_JOIN, NULL));
    ck_assert(!rig_saw(&rig, NPLUG_EVENT_ACTIVE, NULL));
    nplug_stop_pick(rig.nest);
    nplug_sim_sweep(rig.sim, 110 * MS, "left", "trigger", (nplug_vec2){1, 0}, 0);
    rig_step(&rig, 120 * MS);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_JOIN, NULL));
    rig_close(&rig);
}

/* Grab by pull: pressed at a full pull, let go far below, and the level drives the fingers. */
/* What drives no pose, and what a pose drives not, is told. */
TEST(wrong_poses_are_told)
{
    static const struct {
        nplug_action_kind kind;
        const char *text;
    } rows[] = {{NPLUG_ACTION_POSE, "hand:trigger"},
                {NPLUG_ACTION_POSE, "hand:pose-grip dead=0.1"},
                {NPLUG_ACTION_BUTTON, "hand:pose-grip"},
                {NPLUG_ACTION_VECTOR, "hand-main:pose-aim"},
                {NPLUG_ACTION_LEVEL, "hand:trigger,hand:squeeze"}};
    NPLUG_SIZED(nplug_pose_facts, facts);
    nplug_pose_facts small = {.size = 8};
    nplug_game game = nplug_game_for_one("hands", actions, ACTIONS);
    nplug_binding_error error;
    test_rig rig;

    for (size_t i = 0; i < COUNT_OF(rows); i++) {
        ck_assert_int_eq(nplug_read_bindings(rows[i].kind, rows[i].text, NULL, NULL, &error),
                         NPLUG_ERR_BINDING);
        ck_assert_str_ne(error.what, "");
    }
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "left", "osprey-left");
    rig_step(&rig, MS);
    ck_assert_int_eq(nplug_action_pose(rig.nest, 1, MAIN, &facts), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_action_pose(rig.nest, 1, 99, &facts), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_action_pose(rig.nest, 99, GRIP, &facts), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_action_pose(rig.nest, 1, GRIP, &small), NPLUG_ERR_SIZE);
    ck_assert_int_eq(nplug_action_pose(rig.nest, NPLUG_EVERYONE, GRIP, &facts), NPLUG_OK);
    ck_assert_float_eq(facts.pose.orientation[3], 1.0f);
    ck_assert_int_eq(nplug_pose_info(rig.nest, facts.device,
                                     nplug_control_from_name("hand-left:trigger", 17), &facts),
                     NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_set_dominant(rig.nest, NPLUG_KIND_PAD), NPLUG_ERR_ARGUMENT);
    rig_close(&rig);
}
