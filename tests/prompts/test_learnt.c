/* Prompts that are shown until their action was done often enough, and what is saved of them. */
#include "nestplug/prompt.h"
#include "support.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

enum { CALL, HAUL, SWING, ACTIONS };
static const nplug_action_def actions[ACTIONS] = {
    [CALL] = {"call", NPLUG_ACTION_BUTTON, "pad:south", 0},
    [HAUL] = {"haul", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0},
    [SWING] = {"swing", NPLUG_ACTION_MOTION, "mouse:move", 0}};

/* What a prompt that is taught must do, counted from presses and moves as the test makes them. */
typedef struct pupil {
    uint32_t times, done;
    bool counts;      /* a step was made since it was taught */
    nplug_time moved; /* of the motion: when that counted last */
} pupil;

typedef struct school {
    test_rig rig;
    nplug_prompter *kept;
    pupil pupils[ACTIONS];
    nplug_time now;
    bool swings; /* the mouse was moved in the step to come */
    uint32_t presses[ACTIONS];
} school;

static void open_school(school *s, void *block, size_t size)
{
    nplug_game game = nplug_game_for_one("school", actions, ACTIONS);

    memset(s, 0, sizeof *s);
    rig_open(&s->rig, &game, NULL);
    nplug_sim_plug(s->rig.sim, 0, "pad", "heron");
    nplug_sim_plug(s->rig.sim, 0, "mouse", "stint");
    s->now = 10 * MS;
    rig_step(&s->rig, s->now);
    s->kept = nplug_prompter_open(ACTIONS, block, size);
    for (uint32_t a = 0; a < ACTIONS; a++)
        ck_assert_int_eq(nplug_prompter_keep(s->kept, 1, a, NULL), NPLUG_OK);
}

static void press(school *s, uint32_t action, nplug_time at)
{
    nplug_sim_press(s->rig.sim, at, "pad", action == CALL ? "south" : "trigger-right", 10 * MS);
    s->presses[action]++;
}

/* Something is done, or nothing, and a step is made. */
static void live(school *s)
{
    int what = rand() % 6;

    s->swings = what == 0;
    if (what == 0)
        nplug_sim_roll(s->rig.sim, s->now + MS, "mouse", "move", (nplug_vec2){40.0f, 0.0f}, 0);
    if (what == 1) press(s, CALL, s->now + MS);
    if (what == 2) press(s, HAUL, s->now + MS);
    if (what == 3) { /* twice within one step */
        press(s, CALL, s->now + MS);
        press(s, CALL, s->now + 30 * MS);
    }
    s->now += (nplug_time)(100 + rand() % 300) * MS;
    rig_step(&s->rig, s->now);
}

/* What was done in the step, told to each pupil. */
static void count(school *s)
{
    for (uint32_t a = 0; a < ACTIONS; a++) {
        pupil *p = &s->pupils[a];
        uint32_t more = a == SWING ? s->swings : s->presses[a];
        s->presses[a] = 0;
        if (p->times == 0 || p->done == p->times) continue;
        if (a == SWING && s->now < p->moved + SECOND) more = 0;
        if (a == SWING && more) p->moved = s->now;
        if (p->counts) p->done = p->done + more < p->times ? p->done + more : p->times;
        p->counts = true;
    }
}

static void teach(school *s)
{
    uint32_t action = (uint32_t)rand() % ACTIONS, times = (uint32_t)rand() % 5;
    uint32_t done = (uint32_t)rand() % 3;

    ck_assert_int_eq(nplug_prompter_teach(s->kept, action, times, done), NPLUG_OK);
    s->pupils[action].times = times;
    s->pupils[action].done = done < times ? done : times;
    s->pupils[action].counts = false;
}

static void drive_all(school *s)
{
    nplug_sim_press(s->rig.sim, s->now + MS, "pad", "east", 10 * MS);
    s->now += 20 * MS;
    rig_step(&s->rig, s->now);
}

/* A prompt is there until it is learnt and not any more, the count is right, and what changed is
 * told once. */
TESTS(what_is_done_often_enough_is_learnt, 12)
{
    size_t size = nplug_prompter_memory_needed(ACTIONS);
    void *block = malloc(size);
    uint32_t before[ACTIONS] = {0}, learnt = 0;
    school s;

    srand((unsigned)_i + 9001);
    open_school(&s, block, size);
    drive_all(&s);
    for (int n = 0; n < 300; n++) {
        uint32_t told, changed = 0;
        if (rand() % 12 == 0) teach(&s);
        live(&s);
        count(&s);
        told = nplug_prompter_step(s.kept, s.rig.nest);
        for (uint32_t a = 0; a < ACTIONS; a++) {
            const pupil *p = &s.pupils[a];
            bool is, done = p->times && p->done == p->times;
            const nplug_prompt *prompt = nplug_prompter_at(s.kept, a, &is);
            NPLUG_SIZED(nplug_prompt, fresh);
            nplug_prompt_info(s.rig.nest, 1, a, &fresh);
            ck_assert_uint_eq(nplug_prompter_done(s.kept, a), p->times ? p->done : 0);
            ck_assert_uint_eq(prompt->count, done ? 0 : fresh.count);
            if (prompt->count != before[a]) ck_assert(is);
            changed += is;
            learnt += done && before[a];
            before[a] = prompt->count;
        }
        ck_assert_uint_eq(told, changed);
    }
    ck_assert_uint_gt(learnt, 3);
    ck_assert_int_eq(nplug_prompter_teach(s.kept, ACTIONS, 1, 0), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_prompter_teach(NULL, 0, 1, 0), NPLUG_ERR_ARGUMENT);
    ck_assert_uint_eq(nplug_prompter_done(s.kept, ACTIONS), 0);
    rig_close(&s.rig);
    free(block);
}

/* --- saved ---------------------------------------------------------------------------------------
 */

static nplug_settings *again(nplug_settings *settings)
{
    static char text[8192];
    nplug_settings *copy;
    nplug_notes notes;
    size_t length = nplug_settings_text(settings, text, sizeof text);

    ck_assert_int_eq(nplug_settings_parse(text, length, "again", &copy, &notes), NPLUG_OK);
    ck_assert_uint_eq(notes.count, 0);
    nplug_settings_free(settings);
    return copy;
}

static int times_in(const char *text, const char *word)
{
    int times = 0;

    while ((text = strstr(text, word)) != NULL) {
        text += strlen(word);
        times++;
    }
    return times;
}

/* Nothing is written for who has learnt nothing, nor for a play-through without anything. */
static void check_text(const nplug_settings *settings, uint32_t kept[2][3][2])
{
    static char text[8192];
    int people = 0, nights = 0;

    nplug_settings_text(settings, text, sizeof text);
    for (int who = 0; who < 2; who++) {
        bool night = kept[who][1][0] || kept[who][1][1];
        bool any =
            night || kept[who][0][0] || kept[who][0][1] || kept[who][2][0] || kept[who][2][1];
        people += any;
        nights += night;
    }
    ck_assert_int_eq(times_in(text, "\"learnt\""), people);
    ck_assert_int_eq(times_in(text, "\"night\""), nights);
}

/* Random people, play-throughs and actions against a table of numbers, through texts and back. */
TESTS(what_was_learnt_is_saved, 6)
{
    static const char *const people[] = {"Ada", "Bo"}, *const plays[] = {"", "night", "fog"},
                             *const deeds[] = {"call", "haul"};
    uint32_t kept[2][3][2] = {{{0}}};
    nplug_settings *settings = nplug_settings_new();

    srand((unsigned)_i + 77);
    for (int n = 0; n < 200; n++) {
        int who = rand() % 2, play = rand() % 3, deed = rand() % 2, what = rand() % 12;
        if (what == 0) {
            ck_assert_int_eq(nplug_settings_forget_learnt(settings, people[who], plays[play]),
                             NPLUG_OK);
            memset(kept[who][play], 0, sizeof kept[who][play]);
        } else if (what == 1) {
            nplug_settings_forget_learnt(settings, people[who], NULL);
            memset(kept[who], 0, sizeof kept[who]);
        } else if (what == 2) {
            settings = again(settings);
        } else {
            kept[who][play][deed] = (uint32_t)rand() % 4;
            ck_assert_int_eq(nplug_settings_keep_learnt(settings, people[who], plays[play],
                                                        deeds[deed], kept[who][play][deed]),
                             NPLUG_OK);
        }
        for (int i = 0; i < 12; i++)
            ck_assert_uint_eq(
                nplug_settings_learnt(settings, people[i / 6], plays[i / 2 % 3], deeds[i % 2]),
                kept[i / 6][i / 2 % 3][i % 2]);
        check_text(settings, kept);
    }
    nplug_settings_free(settings);
}

/* Settings that are copied to another person, or kept of a player, leave what each learnt. */
TEST(each_person_learns_alone)
{
    nplug_settings *settings = nplug_settings_new();
    nplug_game game = harbour_for(1);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_settings_keep_learnt(settings, "Ada", "night", "horn", 3);
    nplug_bind(rig.nest, 1, HORN, "key:F5");
    rig_step(&rig, MS);
    ck_assert_int_eq(nplug_settings_keep_player(settings, rig.nest, 1, "Ada"), NPLUG_OK);
    ck_assert_int_eq(nplug_settings_copy_profile(settings, "Ada", "Bo"), NPLUG_OK);
    ck_assert_uint_eq(nplug_settings_learnt(settings, "Ada", "night", "horn"), 3);
    ck_assert_uint_eq(nplug_settings_learnt(settings, "Bo", "night", "horn"), 0);
    ck_assert_uint_eq(nplug_settings_learnt(settings, "Cy", "night", "horn"), 0);
    ck_assert_int_eq(nplug_settings_keep_learnt(settings, "", "night", "horn", 1),
                     NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_settings_keep_learnt(settings, "Ada", NULL, "horn", 1),
                     NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_settings_forget_learnt(NULL, "Ada", NULL), NPLUG_ERR_ARGUMENT);
    ck_assert_uint_eq(nplug_settings_profile_count(settings), 2);
    rig_close(&rig);
    nplug_settings_free(settings);
}
