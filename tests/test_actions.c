/* Actions: counts, values, layers, holds. */
#include "support.h"
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

TEST(a_press_shorter_than_a_step_is_seen_with_its_times)
{
    NPLUG_SIZED(nplug_action_facts, state);
    test_rig rig;

    open_one(&rig);
    nplug_sim_press(rig.sim, 1000, "pad", "south", 500);
    nplug_sim_press(rig.sim, 2000, "pad", "south", 700);
    rig_step(&rig, 50000);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, HORN), 2);
    ck_assert_uint_eq(nplug_releases(rig.nest, 1, HORN), 2);
    ck_assert(!nplug_held(rig.nest, 1, HORN));
    nplug_action_info(rig.nest, 1, HORN, &state);
    ck_assert_uint_eq(state.press_count, 2);
    ck_assert_uint_eq(state.press_time, 2000);
    ck_assert_uint_eq(state.release_time, 2700);
    rig_step(&rig, 60000);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, HORN), 0);
    nplug_action_info(rig.nest, 1, HORN, &state);
    ck_assert_uint_eq(state.press_count, 2);
    rig_close(&rig);
}

TEST(keys_and_stick_never_add_up)
{
    test_rig rig;

    open_one(&rig);
    nplug_sim_press(rig.sim, 1000, "keys", "KeyD", 0);
    nplug_sim_press(rig.sim, 1000, "keys", "KeyW", 0);
    nplug_sim_sweep(rig.sim, 1000, "pad", "stick-left", (nplug_vec2){1.0f, 0.0f}, 0);
    nplug_sim_press(rig.sim, 1000, "keys", "Space", 0);
    nplug_sim_sweep(rig.sim, 1000, "pad", "trigger-right", (nplug_vec2){0.5f, 0.0f}, 0);
    rig_step(&rig, 2000);
    ck_assert_float_eq(nplug_vector(rig.nest, 1, STEER).x, 1.0f);
    ck_assert_float_eq(nplug_vector(rig.nest, 1, STEER).y, 1.0f);
    ck_assert_float_eq(nplug_level(rig.nest, 1, THROTTLE), 1.0f);
    nplug_sim_press(rig.sim, 3000, "keys", "KeyA", 0); /* opposite keys: neutral */
    nplug_sim_release(rig.sim, 3000, "keys", "KeyW");
    nplug_sim_release(rig.sim, 3000, "keys", "Space");
    rig_step(&rig, 4000);
    ck_assert_float_eq(nplug_vector(rig.nest, 1, STEER).x, 1.0f); /* the stick's */
    ck_assert_float_eq(nplug_vector(rig.nest, 1, STEER).y, 0.0f);
    ck_assert_float_eq_tol(nplug_level(rig.nest, 1, THROTTLE), 0.5f, 0.001f);
    rig_close(&rig);
}

TEST(a_press_begun_while_its_layer_was_off_never_fires)
{
    nplug_event event;
    test_rig rig;

    open_one(&rig);
    nplug_sim_press(rig.sim, 1000, "keys", "KeyE", 0);
    rig_step(&rig, 2000);
    ck_assert(!nplug_held(rig.nest, 1, WINCH));
    nplug_switch_layer(rig.nest, NPLUG_EVERYONE, 1, true);
    rig_step(&rig, 3000);
    ck_assert(!nplug_held(rig.nest, 1, WINCH));
    nplug_sim_release(rig.sim, 4000, "keys", "KeyE");
    nplug_sim_press(rig.sim, 5000, "keys", "KeyE", 0);
    rig_step(&rig, 6000);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, WINCH), 1);
    nplug_switch_layer(rig.nest, 1, 1, false);
    rig_step(&rig, 7000);
    ck_assert(!nplug_held(rig.nest, 1, WINCH));
    ck_assert(rig_saw(&rig, NPLUG_EVENT_RELEASE, &event));
    ck_assert_uint_eq(event.flags, NPLUG_EVENT_FLAG_CANCELLED);
    nplug_sim_release(rig.sim, 8000, "keys", "KeyE");
    rig_step(&rig, 9000);
    ck_assert_uint_eq(nplug_releases(rig.nest, 1, WINCH), 0);
    rig_close(&rig);
}

TEST(a_hold_fires_when_it_has_lasted_and_not_before)
{
    nplug_event event;
    test_rig rig;

    open_one(&rig);
    nplug_switch_layer(rig.nest, NPLUG_EVERYONE, 1, true);
    nplug_sim_press(rig.sim, 1000, "pad", "west", 299 * MS);
    nplug_sim_press(rig.sim, SECOND, "pad", "west", 301 * MS);
    rig_step(&rig, 900 * MS);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, WINCH), 0);
    rig_step(&rig, 2 * SECOND);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, WINCH), 1);
    ck_assert_uint_eq(nplug_releases(rig.nest, 1, WINCH), 1);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_PRESS, &event));
    ck_assert_uint_eq(event.time, SECOND + 300 * MS);
    ck_assert_uint_eq(event.device, nplug_device_at(rig.nest, 0));
    rig_close(&rig);
}

TEST(a_layer_that_flips_in_the_middle_of_a_hold_ends_it)
{
    test_rig rig;

    open_one(&rig);
    nplug_sim_press(rig.sim, 1000, "pad", "west", SECOND); /* the layer is off yet */
    rig_step(&rig, 100 * MS);
    nplug_switch_layer(rig.nest, NPLUG_EVERYONE, 1, true);
    rig_step(&rig, 1100 * MS);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, WINCH), 0);
    nplug_sim_press(rig.sim, 1200 * MS, "pad", "west", SECOND);
    rig_step(&rig, 1300 * MS);
    nplug_switch_layer(rig.nest, NPLUG_EVERYONE, 1, false);
    nplug_switch_layer(rig.nest, NPLUG_EVERYONE, 1, true);
    rig_step(&rig, 3 * SECOND);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, WINCH), 0);
    rig_close(&rig);
}

TEST(a_trigger_is_a_button_without_chatter)
{
    test_rig rig;
    nplug_time t = 1000;

    open_one(&rig);
    nplug_switch_layer(rig.nest, NPLUG_EVERYONE, 1, true);
    for (unsigned i = 0; i < 50; i++, t += 1000) { /* trembles about the press threshold */
        nplug_vec2 to = {i % 2 ? 0.52f : 0.45f, 0.0f};
        nplug_sim_sweep(rig.sim, t, "pad", "trigger-left", to, 0);
    }
    rig_step(&rig, t);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, WINCH), 1);
    ck_assert_uint_eq(nplug_releases(rig.nest, 1, WINCH), 0);
    rig_close(&rig);
}

TEST(values_are_events_too)
{
    nplug_event event;
    test_rig rig;

    open_one(&rig);
    nplug_sim_sweep(rig.sim, 1000, "pad", "trigger-right", (nplug_vec2){1.0f, 0.0f}, 0);
    rig_step(&rig, 2000);
    ck_assert(rig_saw(&rig, NPLUG_EVENT_VALUE, &event));
    ck_assert_uint_eq(event.action, THROTTLE);
    ck_assert_float_eq(event.value.x, 1.0f);
    rig_step(&rig, 3000);
    ck_assert(!rig_saw(&rig, NPLUG_EVENT_VALUE, NULL));
    rig_close(&rig);
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
