/* What several bindings of one action come to over time: motions are integrals, and of others the
 * latest one counts; against plain sums and lists. */
#include "edges.h"
#include <math.h>
#include <string.h>

enum { DRIFT, SWING, ACTIONS };
#define WAYS 4 /* bindings of the action whose latest one counts */

static const nplug_action_def actions[ACTIONS] = {
    [DRIFT] = {"drift", NPLUG_ACTION_MOTION,
               "pad:stick-right scale=0.5 | keys:KeyA,KeyD | mouse:move scale=2 | "
               "mouse:wheel.down,wheel.up",
               0},
    [SWING] = {"swing", NPLUG_ACTION_LEVEL,
               "pad:stick-left.x dead=0.25 zone=axial | keys:KeyA,KeyD | pad:trigger-right | "
               "pad:trigger-left",
               0},
};

typedef struct play {
    test_rig rig;
    uint32_t random;
    nplug_time now, at; /* the last step; the last report */
    float stick[2], keys[2], way[2], trigger[2];
    double sum[2];
    unsigned order[WAYS],
        away; /* of SWING: the bindings that are away from rest, the latest last */
} play;

static uint32_t below(play *play, uint32_t limit)
{
    return random_below(&play->random, limit);
}

static void open_game(play *play)
{
    static const nplug_action_policy rules[] = {
        {.action = SWING, .merge = NPLUG_MERGE_LATEST, .opposite = NPLUG_OPPOSITE_HIGH}};
    nplug_game game = nplug_game_for_one("merges", actions, ACTIONS);
    nplug_setup setup = nplug_setup_default();

    setup.follow_rest = false;
    game.policies = rules;
    game.policy_count = COUNT_OF(rules);
    rig_open_setup(&play->rig, &game, setup);
    nplug_sim_plug(play->rig.sim, 0, "pad", "heron");
    nplug_sim_plug(play->rig.sim, 0, "keys", "turnstone");
    nplug_sim_plug(play->rig.sim, 0, "mouse", "stint");
    rig_step(&play->rig, 10);
    play->now = play->at = 10;
}

/* --- the model ------------------------------------------------------------------------------ */

/* What the bindings of SWING say by themselves. */
static float swing_of(const play *play, unsigned way)
{
    if (way == 0) return fabsf(play->way[0]) > 0.25f ? play->way[0] : 0.0f;
    if (way == 1) return play->keys[1] > 0.0f ? 1.0f : 0.0f - play->keys[0];
    return play->trigger[way - 2];
}

/* Who leaves its rest becomes the last, who comes back is in the list no more. */
static void note_order(play *play)
{
    for (unsigned way = 0; way < WAYS; way++) {
        bool away = swing_of(play, way) != 0.0f;
        unsigned i = 0;
        while (i < play->away && play->order[i] != way)
            i++;
        if (away && i == play->away) play->order[play->away++] = way;
        if (!away && i < play->away)
            memmove(&play->order[i], &play->order[i + 1], (--play->away - i) * sizeof *play->order);
    }
}

/* Up to a time, all has stood where the last reports put it. */
static void move_on(play *play, nplug_time time)
{
    double span = (double)(time - play->at) / 1e6;

    play->sum[0] +=
        (500.0 * (double)play->stick[0] + 1000.0 * (double)(play->keys[1] - play->keys[0])) * span;
    play->sum[1] += 500.0 * (double)play->stick[1] * span;
    play->at = time;
}

/* --- playing -------------------------------------------------------------------------------- */

/* -1 to 1 in tenths, often 0. */
static float some_place(play *play)
{
    return below(play, 3) ? (float)below(play, 21) / 10.0f - 1.0f : 0.0f;
}

static void move_stick(play *play, float *number, uint32_t code, float way)
{
    *number = some_place(play);
    rig_say(&play->rig, play->at, "pad", 3u << 16 | code, (int32_t)(way * *number * 32767.0f));
}

static void turn_key(play *play, unsigned key)
{
    static const char *const names[] = {"KeyA", "KeyD"};

    play->keys[key] = 1.0f - play->keys[key];
    if (play->keys[key] > 0.0f)
        nplug_sim_press(play->rig.sim, play->at, "keys", names[key], 0);
    else
        nplug_sim_release(play->rig.sim, play->at, "keys", names[key]);
}

static void slide(play *play)
{
    int32_t counts = (int32_t)below(play, 41) - 20;
    bool wheel = below(play, 4) == 0;

    rig_say(&play->rig, play->at, "mouse", 2u << 16 | (wheel ? 8u : 0u),
            wheel ? counts / 10 : counts);
    play->sum[0] += wheel ? counts / 10 : 2.0 * counts;
}

static void do_something(play *play)
{
    unsigned what = below(play, 8);

    if (what == 0) move_stick(play, &play->stick[0], 3, 1.0f);
    if (what == 1) move_stick(play, &play->stick[1], 4, -1.0f);
    if (what == 2 || what == 3) turn_key(play, what & 1u);
    if (what == 4) slide(play);
    if (what == 5) move_stick(play, &play->way[0], 0, 1.0f);
    if (what < 6) return;
    play->trigger[what & 1u] = fabsf(some_place(play));
    rig_say(&play->rig, play->at, "pad", 3u << 16 | (what & 1u ? 2u : 5u),
            (int32_t)(play->trigger[what & 1u] * 1023.0f));
}

/* What a motion has moved in all, and what the latest binding gives. */
static void play_game(uint32_t seed)
{
    static play play;
    double x = 0.0, y = 0.0;

    memset(&play, 0, sizeof play);
    play.random = seed * 2654435761u;
    open_game(&play);
    for (unsigned i = 0; i < 400; i++) {
        nplug_time until = play.now + 1 + below(&play, below(&play, 2) ? 1000 : 60000);
        while (below(&play, 4) && play.at + 1 < until) {
            move_on(&play, play.at + 1 + below(&play, (uint32_t)(until - play.at)));
            do_something(&play);
            note_order(&play);
        }
        move_on(&play, until);
        rig_step(&play.rig, play.now = until);
        x += (double)nplug_motion(play.rig.nest, 1, DRIFT).x;
        y += (double)nplug_motion(play.rig.nest, 1, DRIFT).y;
        ck_assert_msg(fabs(x - play.sum[0]) < 0.2 && fabs(y - play.sum[1]) < 0.2,
                      "seed %u: moved (%g, %g), not (%g, %g)", seed, x, y, play.sum[0],
                      play.sum[1]);
        ck_assert_float_eq_tol(nplug_level(play.rig.nest, 1, SWING),
                               play.away ? swing_of(&play, play.order[play.away - 1]) : 0.0f,
                               0.002f);
    }
    rig_close(&play.rig);
}

TEST(motions_are_integrals_and_the_latest_binding_counts)
{
    play_cases("merges", play_game, 1, 50, 8);
}
