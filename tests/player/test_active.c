/* The active set: what switches it, what does not, and when. */
#include "story.h"
#include <stdlib.h>
#include <string.h>

/* A game for one with a desk, two pads of one family and one of another; the first pad is active.
 */
static void open_one(test_rig *rig)
{
    static const char *const models[] = {"heron", "heron", "whimbrel", "turnstone", "stint"};
    static const char *const names[] = {"pad", "pad-2", "marks", "keys", "mouse"};
    nplug_game game = harbour_for(1);

    rig_open(rig, &game, NULL);
    for (size_t i = 0; i < COUNT_OF(models); i++)
        nplug_sim_plug(rig->sim, 0, names[i], models[i]);
    nplug_sim_press(rig->sim, 1 * MS, "pad", "start", MS);
    rig_step(rig, 500 * MS);
    ck_assert_uint_eq(active_of(rig->nest, 1).device, nplug_device_at(rig->nest, 0));
}

/* One thing that is done at the second 1 while the first pad is the active set: deliberate use
 * switches at once, and nothing else does. */
#define ONE                                                                                        \
    "harbour; plug pad heron; plug pad-2 heron; plug marks whimbrel; plug keys turnstone; "        \
    "plug mouse stint; 1 press pad start 1; 500: active 1 #0; 1000 "
#define USED(flags)    "; 1060: saw active flags=" flags "; 3000: not saw active; failures 0"
#define LEFT_AS_IT_WAS "; 1060: not saw active; active 1 #0; 3000: not saw active; failures 0"

static const told_story uses[] = {
    {"press keys KeyQ 1", ONE "press keys KeyQ 1" USED("- device=#3")},
    {"press mouse left 1", ONE "press mouse left 1" USED("- device=#4")},
    {"press marks south 1", ONE "press marks south 1" USED("- device=#2")},
    {"press pad-2 east 1", ONE "press pad-2 east 1" USED("same-prompts device=#1")},
    {"sweep marks stick-left 0.4 0 1", ONE "sweep marks stick-left 0.4 0 1" USED("- device=#2")},
    {"sweep marks stick-left 0 -0.4 1", ONE "sweep marks stick-left 0 -0.4 1" USED("- device=#2")},
    {"sweep marks trigger-left 0.4 0 1",
     ONE "sweep marks trigger-left 0.4 0 1" USED("- device=#2")},
    {"say mouse 2:0 -40", ONE "say mouse 2:0 -40" USED("- device=#4")},
    {"say mouse 2:8 1", ONE "say mouse 2:8 1" USED("- device=#4")},
    {"sweep marks stick-left 0.3 0 1", ONE "sweep marks stick-left 0.3 0 1" LEFT_AS_IT_WAS},
    {"sweep marks trigger-left 0.2 0", ONE "sweep marks trigger-left 0.2 0" LEFT_AS_IT_WAS},
    {"noise marks stick-right 0.2 0 1000", ONE "noise marks stick-right 0.2 0 1000" LEFT_AS_IT_WAS},
    {"say mouse 2:0 39", ONE "say mouse 2:0 39" LEFT_AS_IT_WAS},
};

TESTS(use_is_active, COUNT_OF(uses))
{
    play_story(&uses[_i]);
}

TEST(a_game_may_pin_forbid_and_let_only_one_drive)
{
    nplug_following following = nplug_following_default();
    test_rig rig;

    open_one(&rig);
    following.ignored = 1u << NPLUG_KIND_MOUSE;
    nplug_follow(rig.nest, 1, &following);
    nplug_sim_press(rig.sim, SECOND, "mouse", "left", MS);
    rig_step(&rig, SECOND + 10 * MS);
    ck_assert_int_eq(active_of(rig.nest, 1).kind, NPLUG_KIND_PAD);
    following.pin = nplug_device_at(rig.nest, 3);
    nplug_follow(rig.nest, 1, &following);
    nplug_sim_press(rig.sim, 2 * SECOND, "pad", "south", MS);
    rig_step(&rig, 2 * SECOND + 10 * MS);
    ck_assert_uint_eq(active_of(rig.nest, 1).device, following.pin);
    ck_assert(active_of(rig.nest, 1).pinned);
    following = nplug_following_default();
    following.family = "numbers";
    following.only = true;
    nplug_follow(rig.nest, 1, &following);
    rig_step(&rig, 3 * SECOND);
    ck_assert_str_eq(active_of(rig.nest, 1).family, "numbers");
    /* The press that switches does nothing else; the next one does. */
    nplug_sim_press(rig.sim, 4 * SECOND, "pad", "south", 10 * MS);
    rig_step(&rig, 4 * SECOND + 20 * MS);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, HORN), 0);
    nplug_sim_press(rig.sim, 5 * SECOND, "pad", "south", 10 * MS);
    rig_step(&rig, 5 * SECOND + 20 * MS);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, HORN), 1);
    following.size = 1;
    ck_assert_int_eq(nplug_follow(rig.nest, 1, &following), NPLUG_ERR_SIZE);
    following = nplug_following_default();
    following.family = "a family with a name of more than 23 bytes";
    ck_assert_int_eq(nplug_follow(rig.nest, 1, &following), NPLUG_ERR_ARGUMENT);
    following.family = NULL;
    following.pin = 0xfff00001u;
    ck_assert_int_eq(nplug_follow(rig.nest, 1, &following), NPLUG_ERR_STALE);
    ck_assert_int_eq(nplug_follow(rig.nest, 99, &following), NPLUG_ERR_ARGUMENT);
    rig_close(&rig);
}

/* A signal's rest, and up to 3 % of its range beside it. */
static int32_t with_noise(const nplug_sim_signal *signal)
{
    int64_t value = signal->rest + ((int64_t)signal->max - signal->min) * (rand() % 7 - 3) / 100;
    return (int32_t)(value < signal->min ? signal->min : value > signal->max ? signal->max : value);
}

/* Every model's noise beside a keyboard that was used: none switches.  The bench has an hour of it.
 */
TEST(noise_never_switches)
{
    uint32_t count;
    const nplug_sim_model *models = nplug_sim_models(&count);
    nplug_game game = harbour_for(1);
    nplug_event event;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    nplug_sim_press(rig.sim, 1 * MS, "keys", "KeyH", MS);
    for (uint32_t i = 0; i < count; i++)
        nplug_sim_plug(rig.sim, 2 * MS, models[i].name, models[i].name);
    rig_step(&rig, 10 * MS);
    for (nplug_time now = SECOND; now < 60 * SECOND; now += SECOND / 4) {
        for (uint32_t i = 0; i < count; i++)
            for (uint16_t s = 0; s < models[i].signal_count; s++) {
                const nplug_sim_signal *signal = &models[i].signals[s];
                nplug_move move = {.kind = NPLUG_MOVE_SIGNAL,
                                   .time = now,
                                   .on = models[i].name,
                                   .code = s,
                                   .space = NPLUG_SPACE_PLAIN};
                if (signal->nature != NPLUG_NATURE_AXIS) continue;
                if (signal->rest < signal->min || signal->rest > signal->max) continue; /* a hat */
                move.value = with_noise(signal);
                nplug_sim_move(rig.sim, &move);
            }
        rig_step(&rig, now);
        if (rig_saw(&rig, NPLUG_EVENT_ACTIVE, &event)) {
            NPLUG_SIZED(nplug_device_facts, info);
            nplug_device_info(rig.nest, event.device, &info);
            ck_abort_msg("%s switched", info.name);
        }
    }
    rig_close(&rig);
}

/* --- stories -----------------------------------------------------------------------------------
 */

static const told_story stories[] = {
    {"a lever that is pulled switches and a parked one does not",
     "harbour; 0 plug pad heron; 0 plug pad-2 heron; 0 plug marks whimbrel; "
     "0 plug keys turnstone; 0 plug mouse stint; 1 press pad start 1; 500: active 1 #0; "
     "600 plug levers godwit; 700 sweep levers throttle 0.9 0 1; 1000:; "
     "1000 press pad south 1; 2000:; 2000 sweep levers throttle 0.6 0 1; 3000: active 1 #0; "
     "3000 sweep levers throttle 0.2 0 1; 4000: active 1 stick"},
    {"what is not recognised is never the active set",
     "harbour; 0 plug box sanderling; 1: active 1 -; 2 plug pad heron; 3: active 1 pad; "
     "4 plug keys turnstone; 5 unplug pad; 6: active 1 keyboard"},
    {"a desk is one set",
     "harbour; 0 plug pad heron; 0 plug pad-2 heron; 0 plug marks whimbrel; "
     "0 plug keys turnstone; 0 plug mouse stint; 1 press pad start 1; 500: active 1 #0; "
     "1000 press keys KeyQ 1; 1010:; 1020 press mouse left 1; 1030 press keys KeyW 1; "
     "1040 press mouse left 1; 1050 press keys KeyW 1; 1060 press mouse left 1; "
     "1070 press keys KeyW 1; 1080 press mouse left 1; 1090 press keys KeyW 1; "
     "1100 press mouse left 1; 1110 press keys KeyW 1; 2000: not saw active; active 1 keyboard"},
    /* Both at once: a movement has to go on; a press need not. */
    {"while two sets are moved a movement needs to win",
     "harbour; 0 plug pad heron; 0 plug pad-2 heron; 0 plug marks whimbrel; "
     "0 plug keys turnstone; 0 plug mouse stint; 1 press pad start 1; 500: active 1 #0; "
     "1000 sweep pad stick-left 0.6 0 1; 1100 sweep marks stick-left 0.6 0 1; "
     "1240: active 1 #0; 1260: active 1 #2; 3000: active 1 #2; "
     "3000 sweep marks stick-left 0 0 300; 3100 sweep pad stick-left 0 0 1; "
     "3150 sweep pad stick-left 0.6 0 1; 3200 sweep pad stick-left 0 0 1; 4000: active 1 #2; "
     "4000 press pad south 1; 4001: active 1 #0"},
};

STORIES(stories)
