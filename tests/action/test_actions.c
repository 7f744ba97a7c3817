/* Actions: counts, values, layers, holds. */
#include "story.h"
#include <stdlib.h>
#include <string.h>

static void open_one(test_rig *rig)
{
    nplug_game game = harbour_for(1);

    rig_open(rig, &game, NULL);
    nplug_sim_plug(rig->sim, 0, "pad", "heron");
    nplug_sim_plug(rig->sim, 0, "keys", "turnstone");
    rig_step(rig, 0);
}

/* Over any random hand, presses and releases balance, and the events tell the same as the counts.
 */
TESTS(polling_and_events_tell_the_same, 5)
{
    static const char *const keys[] = {"KeyH", "KeyE", "Space", "Escape", "KeyW"};
    uint32_t held[6] = {0}, presses;
    test_rig rig;

    srand((unsigned)_i);
    open_one(&rig);
    nplug_switch_layer(rig.nest, NPLUG_EVERYONE, 1, true);
    for (unsigned i = 0; i < 500; i++)
        nplug_sim_press(rig.sim, (nplug_time)(rand() % 1000) * MS, "keys", keys[rand() % 5],
                        (nplug_time)(rand() % 30) * MS);
    for (nplug_time t = 0; t <= 1100 * MS; t += (nplug_time)(rand() % 20) * MS) {
        rig_step(&rig, t);
        for (uint32_t action = 0; action < COUNT_OF(harbour); action++) {
            presses = 0;
            for (uint32_t i = 0; i < nplug_event_count(rig.nest); i++) {
                const nplug_event *event = nplug_event_at(rig.nest, i);
                if (event->action != action) continue;
                presses += event->kind == NPLUG_EVENT_PRESS;
                held[action] += event->kind == NPLUG_EVENT_PRESS;
                held[action] -= event->kind == NPLUG_EVENT_RELEASE;
            }
            ck_assert_uint_eq(presses, nplug_presses(rig.nest, 1, action));
            ck_assert_uint_eq(held[action], nplug_held(rig.nest, 1, action));
        }
    }
    rig_close(&rig);
}

TEST(unknown_things_answer_neutral_and_are_said_once)
{
    NPLUG_SIZED(nplug_action_facts, state);
    test_rig rig;

    open_one(&rig);
    ck_assert(!nplug_held(rig.nest, 1, 99));
    ck_assert(!nplug_held(rig.nest, 1, 98));
    ck_assert_float_eq(nplug_level(rig.nest, 99, HORN), 0.0f);
    ck_assert_int_eq(nplug_action_info(rig.nest, 99, HORN, &state), NPLUG_ERR_UNKNOWN);
    ck_assert_ptr_nonnull(strstr(rig.log, "action that the game does not have: number 99"));
    ck_assert_ptr_null(strstr(rig.log, "number 98"));
    ck_assert_int_eq(nplug_action_number(rig.nest, "winch"), WINCH);
    ck_assert_uint_eq(nplug_action_number(rig.nest, "hron"), NPLUG_NO_ACTION);
    ck_assert_ptr_nonnull(strstr(rig.log, "no action \"hron\"; did you mean \"horn\"?"));
    ck_assert(!nplug_held(NULL, 0, 0));
    rig_close(&rig);
}

/* --- stories -----------------------------------------------------------------------------------
 */

static const told_story stories[] = {
    {"keys and stick never add up",
     "harbour; 0 plug pad heron; 0 plug keys turnstone; 0:; 1 press keys KeyD; "
     "1 press keys KeyW; 1 sweep pad stick-left 1; 1 press keys Space; "
     "1 sweep pad trigger-right 0.5; 2: vector 1 steer 1; vector 1 steer - 1; "
     "level 1 throttle 1; 3 press keys KeyA; 3 release keys KeyW; 3 release keys Space; "
     "4: vector 1 steer 1; vector 1 steer - 0; level 1 throttle 0.5~0.001"},
    {"a press begun while its layer was off never fires",
     "harbour; 0 plug pad heron; 0 plug keys turnstone; 0:; 1 press keys KeyE; "
     "2: not held 1 winch; switch any 1 on; 3: not held 1 winch; 4 release keys KeyE; "
     "5 press keys KeyE; 6: presses 1 winch 1; switch 1 1 off; 7: not held 1 winch; "
     "saw release flags=cancelled; 8 release keys KeyE; 9: releases 1 winch 0"},
    {"a hold fires when it has lasted and not before",
     "harbour; 0 plug pad heron; 0 plug keys turnstone; 0: switch any 1 on; "
     "1 press pad west 299; 1000 press pad west 301; 900: presses 1 winch 0; "
     "2000: presses 1 winch 1; releases 1 winch 1; saw press time=1300 device=#0"},
    {"a layer that flips in the middle of a hold ends it",
     "harbour; 0 plug pad heron; 0 plug keys turnstone; 0:; 1 press pad west 1000; "
     "100: switch any 1 on; 1100: presses 1 winch 0; 1200 press pad west 1000; "
     "1300: switch any 1 off; switch any 1 on; 3000: presses 1 winch 0"},
};

STORIES(stories)
