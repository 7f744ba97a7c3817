/* Offers: whatever an offer says, done, presses its action; and what every action could be pressed
 * by is offered.  Random bindings, comforts, layers and devices, played through simulated hardware.
 */
#include "support.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define DEVICES 7
#define ACTIONS 4

static const struct {
    const char *model;
    nplug_device_kind kind;
} hardware[DEVICES] = {{"heron", NPLUG_KIND_PAD},
                       {"whimbrel", NPLUG_KIND_PAD},
                       {"curlew", NPLUG_KIND_PAD},
                       {"turnstone", NPLUG_KIND_KEYBOARD},
                       {"stint", NPLUG_KIND_MOUSE},
                       {"osprey-left", NPLUG_KIND_HAND_LEFT},
                       {"osprey-right", NPLUG_KIND_HAND_RIGHT}};

static const char *const texts[] = {"pad:south",
                                    "pad:confirm",
                                    "pad:cancel | key:Escape",
                                    "key:KeyE | pad:west",
                                    "key:ShiftLeft+key:KeyQ",
                                    "pad:shoulder-left+pad:east",
                                    "key:Space hold=300",
                                    "pad:north taps=2",
                                    "pad:stick-left.up | key:ArrowUp",
                                    "pad:stick-right.left press=0.6",
                                    "pad:trigger-right press=0.8",
                                    "mouse:left | hand:trigger press=0.9",
                                    "hand-main:lower",
                                    "hand-off:upper | mouse:right",
                                    "pad:start on-release",
                                    "pad:dpad-down repeat=300:100",
                                    "pad:south family=harbour-marks | pad:east family=quay-letters",
                                    "key:ControlLeft+mouse:middle"};

typedef struct play {
    test_rig rig;
    nplug_action_def defs[ACTIONS];
    nplug_device devices[DEVICES];
    bool here[DEVICES];
    nplug_time now;
} play;

static const char *name_of(int i)
{
    static char names[4][8];
    static int next;
    char *name = names[next++ % 4];

    snprintf(name, sizeof names[0], "d%d", i);
    return name;
}

static int place_of(const play *p, nplug_device device)
{
    for (int i = 0; i < DEVICES; i++)
        if (p->here[i] && p->devices[i] == device) return i;
    return -1;
}

static void wait(play *p, nplug_time span)
{
    p->now += span;
    rig_step(&p->rig, p->now);
}

static void plug(play *p, int i)
{
    uint32_t count = nplug_device_count(p->rig.nest);

    nplug_sim_plug(p->rig.sim, p->now, name_of(i), hardware[i].model);
    wait(p, 5 * MS);
    p->devices[i] = nplug_device_at(p->rig.nest, count);
    p->here[i] = true;
}

/* The device of a set on which a control is: the offer's, or the other one of a desk or of two
 * hands.
 */
static int has_control(const play *p, nplug_device offered, nplug_control control)
{
    int first = place_of(p, offered);
    unsigned class_ = NPLUG_CONTROL_CLASS(control);

    for (int i = 0; i < DEVICES; i++) {
        bool same = i == first || (hardware[i].kind != NPLUG_KIND_PAD &&
                                   (hardware[i].kind < NPLUG_KIND_HAND_LEFT) ==
                                       (hardware[first].kind < NPLUG_KIND_HAND_LEFT));
        bool fits = (class_ == NPLUG_CLASS_PAD && hardware[i].kind == NPLUG_KIND_PAD) ||
                    (class_ == NPLUG_CLASS_KEY && hardware[i].kind == NPLUG_KIND_KEYBOARD) ||
                    (class_ == NPLUG_CLASS_MOUSE && hardware[i].kind == NPLUG_KIND_MOUSE) ||
                    (class_ == NPLUG_CLASS_HAND_LEFT && hardware[i].kind == NPLUG_KIND_HAND_LEFT) ||
                    (class_ == NPLUG_CLASS_HAND_RIGHT && hardware[i].kind == NPLUG_KIND_HAND_RIGHT);
        if (p->here[i] && same && fits) return i;
    }
    return -1;
}

/* A person's finger goes down on a source, or comes up. */
static void finger(play *p, nplug_device device, nplug_source source, bool down)
{
    static const nplug_vec2 ways[] = {{1, 0}, {1, 0}, {0, 1}, {1, 0}, {-1, 0}, {0, 1}, {0, -1}};
    nplug_vec2 rest = {0, 0};
    int on = has_control(p, device, source.control);
    char name[64], *bare;
    unsigned components;
    bool axis = nplug_control_nature(source.control, &components) == NPLUG_NATURE_AXIS;

    ck_assert_int_ge(on, 0);
    nplug_control_name(source.control, name, sizeof name);
    bare = strchr(name, ':') + 1;
    if (axis)
        nplug_sim_sweep(p->rig.sim, p->now, name_of(on), bare, down ? ways[source.way] : rest, 0);
    else if (down)
        nplug_sim_press(p->rig.sim, p->now, name_of(on), bare, 0);
    else
        nplug_sim_release(p->rig.sim, p->now, name_of(on), bare);
    wait(p, 5 * MS);
}

/* Does what an offer says; how often its action was pressed by that. */
static uint32_t do_it(play *p, uint32_t action, const nplug_offer *offer)
{
    const nplug_binding *b = &offer->binding;
    uint32_t times = b->gesture == NPLUG_GESTURE_TAP ? b->taps : 1, before;
    NPLUG_SIZED(nplug_action_facts, facts);

    nplug_action_info(p->rig.nest, 1, action, &facts);
    before = (uint32_t)facts.press_count;
    for (uint32_t i = 0; i < b->held_count; i++)
        finger(p, offer->device, b->held[i], true);
    for (uint32_t i = 0; i < times; i++) {
        finger(p, offer->device, b->driving[0], true);
        if (b->gesture == NPLUG_GESTURE_HOLD) wait(p, b->wait_us + MS);
        finger(p, offer->device, b->driving[0], false);
    }
    for (uint32_t i = 0; i < b->held_count; i++)
        finger(p, offer->device, b->held[i], false);
    wait(p, 2 * SECOND);
    nplug_action_info(p->rig.nest, 1, action, &facts);
    return (uint32_t)facts.press_count - before;
}

static void open_play(play *p)
{
    nplug_game game = nplug_game_for_one("offers", p->defs, ACTIONS);

    memset(p, 0, sizeof *p);
    for (int a = 0; a < ACTIONS; a++) {
        static const char *const names[ACTIONS] = {"one", "two", "three", "four"};
        p->defs[a] = (nplug_action_def){names[a], NPLUG_ACTION_BUTTON,
                                        texts[(size_t)rand() % COUNT_OF(texts)], 0};
    }
    rig_open(&p->rig, &game, NULL);
    p->now = MS;
    for (int i = 0; i < DEVICES; i++)
        if (rand() % 3) plug(p, i);
    wait(p, 300 * MS);
}

/* Something changes by which offers change. */
static void change(play *p)
{
    static const char *const comforts[] = {"", "swap-confirm", "swap-sticks",
                                           "swap-confirm swap-sticks"};
    int i = rand() % DEVICES;

    switch (rand() % 4) {
    case 0:
        nplug_bind(p->rig.nest, 1, (uint32_t)rand() % ACTIONS,
                   rand() % 3 ? texts[(size_t)rand() % COUNT_OF(texts)] : NULL);
        break;
    case 1:
        nplug_set_comfort(p->rig.nest, 1, NPLUG_EVERY_ACTION, comforts[rand() % 4]);
        break;
    case 2:
        nplug_set_dominant(p->rig.nest, rand() % 2 ? NPLUG_KIND_HAND_LEFT : NPLUG_KIND_HAND_RIGHT);
        break;
    default:
        if (!p->here[i]) plug(p, i);
        break;
    }
    wait(p, 300 * MS);
}

START_TEST(what_is_offered_works)
{
    play *p = malloc(sizeof *p);
    unsigned done = 0;

    srand((unsigned)_i + 1);
    open_play(p);
    for (int n = 0; n < 60; n++) {
        uint32_t action = (uint32_t)rand() % ACTIONS;
        NPLUG_SIZED(nplug_offer, offer);
        if (rand() % 3 == 0) change(p);
        for (uint32_t i = 0; nplug_offer_info(p->rig.nest, 1, action, i, &offer) == NPLUG_OK; i++) {
            char name[64] = "";
            ck_assert_uint_eq(offer.binding.index, i);
            if (!offer.device) continue;
            ck_assert_int_ge(place_of(p, offer.device), 0);
            nplug_source_name(offer.binding.driving[0], name, sizeof name);
            if (!offer.serves) continue;
            ck_assert_msg(do_it(p, action, &offer) > 0, "%s of \"%s\" presses nothing", name,
                          nplug_bindings(p->rig.nest, 1, action));
            done++;
        }
        ck_assert_int_eq(nplug_offer_info(p->rig.nest, 1, action, 99, &offer), NPLUG_ERR_UNKNOWN);
    }
    ck_assert_uint_gt(done, 5);
    rig_close(&p->rig);
    free(p);
}
END_TEST

START_TEST(impossible_offers_are_refused)
{
    nplug_game game = harbour_for(1);
    NPLUG_SIZED(nplug_offer, offer);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    ck_assert_int_eq(nplug_offer_info(NULL, 1, 0, 0, &offer), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_offer_info(rig.nest, 1, 0, 0, NULL), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_offer_info(rig.nest, 99, 0, 0, &offer), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_offer_info(rig.nest, 1, 77, 0, &offer), NPLUG_ERR_UNKNOWN);
    offer.size = 3;
    ck_assert_int_eq(nplug_offer_info(rig.nest, 1, 0, 0, &offer), NPLUG_ERR_SIZE);
    rig_close(&rig);
}
END_TEST

Suite *offers_suite(void)
{
    Suite *suite = suite_create("offers");
    TCase *tests = tcase_create("offers");

    tcase_set_timeout(tests, 60);
    tcase_add_loop_test(tests, what_is_offered_works, 0, 40);
    tcase_add_test(tests, impossible_offers_are_refused);
    suite_add_tcase(suite, tests);
    return suite;
}
