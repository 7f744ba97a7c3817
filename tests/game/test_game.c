/* Games: binding texts, right and wrong. */
#include "support.h"
#include <stdlib.h>
#include <string.h>

/* One action's text and, where it is wrong, what the log must say. */
static const struct {
    nplug_action_kind kind;
    const char *from;
    const char *wrong; /* NULL: it is right */
} rows[] = {
    {NPLUG_ACTION_BUTTON, "pad:south | key:Space", NULL},
    {NPLUG_ACTION_BUTTON, "", NULL},
    {NPLUG_ACTION_BUTTON, "  pad:south  hold=600 |  key:Space ", NULL},
    {NPLUG_ACTION_LEVEL, "keys:KeyS,KeyW", NULL},
    {NPLUG_ACTION_VECTOR, "keys:KeyW,KeyS,KeyA,KeyD", NULL},
    {NPLUG_ACTION_MOTION, "mouse:move | mouse:wheel", NULL},
    {NPLUG_ACTION_BUTTON, "pad:sauth",
     "column 1: \"pad:sauth\" is no control; did you mean pad:south?"},
    {NPLUG_ACTION_BUTTON, "pad:south | kex:KeyA",
     "column 13: \"kex:KeyA\" is no control; did you mean"},
    {NPLUG_ACTION_VECTOR, "keys:KeyW,KeyS,KeyA,KeyQQ", "column 21: \"KeyQQ\" is no control"},
    {NPLUG_ACTION_VECTOR, "keys:KeyW,KeyS,KeyA", "needs two controls (a level) or four"},
    {NPLUG_ACTION_VECTOR, "keys:KeyW,KeyS,KeyA,KeyD,KeyE", "four controls at most may make one"},
    {NPLUG_ACTION_VECTOR, "pad:south", "has one direction: a vector takes a stick or four keys"},
    {NPLUG_ACTION_BUTTON, "pad:stick-left", "has no single press"},
    {NPLUG_ACTION_BUTTON, "pad:south hold=0", "hold= takes 1 to 1000000 milliseconds"},
    {NPLUG_ACTION_BUTTON, "pad:south hold=12x", "hold= takes 1 to 1000000 milliseconds"},
    {NPLUG_ACTION_BUTTON, "pad:south held=12", "column 11: \"held=12\" is no option"},
    {NPLUG_ACTION_LEVEL, "pad:trigger-left hold=100",
     "says how a press is made: that is for buttons"},
    {NPLUG_ACTION_LEVEL, "keys:KeyW,KeyS,KeyA,KeyD", "a level takes one or two"},
    {NPLUG_ACTION_BUTTON, "mouse:move", "has no single press"},
    {NPLUG_ACTION_MOTION, "mouse:move dead=0.1", "scale= and invert= are all that shapes it"},
    {NPLUG_ACTION_MOTION, "pad:stick-left dead=0.1 scale=2 | pad:dpad-up | keys:KeyA,KeyD", NULL},
    {NPLUG_ACTION_VECTOR, "mouse:move scale=0.5", NULL},
    {NPLUG_ACTION_BUTTON, "pad:stick-left.up | wheel:steering.low | stick:throttle.high", NULL},
    {NPLUG_ACTION_LEVEL, "pad:stick-left.x | pad:stick-right.up", NULL},
    {NPLUG_ACTION_BUTTON, "pad:stick-left.high",
     "column 16: \"high\" is no part of it: x y up down"},
    {NPLUG_ACTION_BUTTON, "wheel:steering.left", "is no part of it: high and low of an axis are"},
    {NPLUG_ACTION_BUTTON, "pad:south.up", "is no part of it"},
    {NPLUG_ACTION_BUTTON, "key:ShiftLeft/ShiftRight+key:ControlLeft/ControlRight+key:KeyA", NULL},
    {NPLUG_ACTION_BUTTON, "key:ShiftLeft/pad:south+mouse:left", NULL},
    {NPLUG_ACTION_VECTOR,
     "pad:shoulder-left+pad:stick-left | key:ShiftLeft+keys:KeyW,KeyS,KeyA,KeyD", NULL},
    {NPLUG_ACTION_BUTTON, "key:KeyA+key:KeyB+key:KeyC+key:KeyD+key:KeyE",
     "four controls at most make"},
    {NPLUG_ACTION_BUTTON, "key:KeyA/KeyB/KeyC/KeyD/KeyE", "four at most may stand for each other"},
    {NPLUG_ACTION_BUTTON, "key:KeyA+", "a control is missing"},
    {NPLUG_ACTION_LEVEL, "keys:KeyA,KeyB+key:KeyC", "a list drives alone"},
    {NPLUG_ACTION_BUTTON, "pad:south tap | pad:south tap=200 | pad:south double-tap=300", NULL},
    {NPLUG_ACTION_BUTTON, "pad:south taps=3 | pad:south taps=4:250 | pad:south on-release", NULL},
    {NPLUG_ACTION_BUTTON, "pad:south release=0.3 press=0.6 | pad:south repeat=400:80", NULL},
    {NPLUG_ACTION_BUTTON, "pad:south taps=10", "taps= takes 1 to 9"},
    {NPLUG_ACTION_BUTTON, "pad:south tap=x", "tap or tap=200 (milliseconds) is expected"},
    {NPLUG_ACTION_BUTTON, "pad:south tapping", "tap or tap=200 (milliseconds) is expected"},
    {NPLUG_ACTION_BUTTON, "pad:south repeat=400", "repeat= takes two times"},
    {NPLUG_ACTION_BUTTON, "pad:south kind=pad family=quay-letters sheet=heron observe", NULL},
    {NPLUG_ACTION_BUTTON, "pad:south kind=pads", "kind= takes a sort of device"},
    {NPLUG_ACTION_BUTTON, "pad:south family=", "family= takes a name"},
    {NPLUG_ACTION_BUTTON, "mouse:wheel.up | mouse:wheel.left tap", NULL},
    {NPLUG_ACTION_BUTTON, "mouse:wheel.y", "has no single press"},
    {NPLUG_ACTION_BUTTON, "mouse:move.up", "has no single press"},
    {NPLUG_ACTION_BUTTON, "pad:south,pad:east", "has no single press"},
    {NPLUG_ACTION_LEVEL, "pad:south/east,west", "make no list"},
    {NPLUG_ACTION_VECTOR, "pad:dpad-up,dpad-down,dpad-left",
     "needs two controls (a level) or four"},
    {NPLUG_ACTION_BUTTON, "pad:south tap hold=300", "is a second way of making a press"},
    {NPLUG_ACTION_BUTTON, "pad:south | ", "a control is missing"},
    {NPLUG_ACTION_BUTTON, "pad:south||key:KeyA", "a control is missing"},
    {NPLUG_ACTION_BUTTON, "south", "\"south\" is no control"},
};

TESTS(binding_texts, COUNT_OF(rows))
{
    nplug_action_def action = {"act", rows[_i].kind, rows[_i].from, 0};
    nplug_game game = nplug_game_for_one("rows", &action, 1);
    nplug_result result;
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    result = nplug_use_game(rig.nest, &game);
    if (!rows[_i].wrong) {
        ck_assert_msg(result == NPLUG_OK, "%s: %s", rows[_i].from, rig.log);
        ck_assert_uint_ne(nplug_game_digest(rig.nest), 0);
    } else {
        ck_assert_int_eq(result, NPLUG_ERR_BINDING);
        ck_assert_msg(strstr(rig.log, rows[_i].wrong) != NULL, "%s: %s", rows[_i].from, rig.log);
        ck_assert_uint_eq(nplug_game_digest(rig.nest), 0);
    }
    rig_step(&rig, 0);
    rig_close(&rig);
}

/* Binding texts cut at every byte and with every byte changed: never a crash. */
TESTS(broken_binding_texts_never_crash, COUNT_OF(rows))
{
    char text[160];
    nplug_action_def action = {"act", NPLUG_ACTION_VECTOR, text, 0};
    nplug_game game = nplug_game_for_one("rows", &action, 1);
    const char *whole = rows[_i].from;
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    action.kind = rows[_i].kind;
    for (size_t i = 0; i <= strlen(whole); i++) {
        memset(text, 0, sizeof text);
        memcpy(text, whole, i);
        nplug_use_game(rig.nest, &game);
        strcpy(text, whole);
        text[i] = (char)('!' + (int)(i * 7 % 90));
        nplug_use_game(rig.nest, &game);
    }
    rig_close(&rig);
}

TEST(games_that_do_not_fit_are_refused)
{
    nplug_limits limits = nplug_limits_default();
    nplug_game game = harbour_for(2);
    test_rig rig;

    limits.bindings = 5;
    limits.sources = 30;
    rig_open(&rig, NULL, &limits);
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_ERR_FULL);
    ck_assert_ptr_nonnull(strstr(rig.log, "raise limits.bindings"));
    game.players = 9;
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_ERR_FULL);
    game.size = 3;
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_ERR_SIZE);
    for (int i = 0; i < 5; i++) { /* a count without its table */
        uint32_t *counts[] = {&game.layer_count, &game.policy_count, &game.shaper_count,
                              &game.part_count, &game.zone_count};
        game = harbour_for(1);
        *counts[i] = 1;
        ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_ERR_ARGUMENT);
    }
    rig_step(&rig, 0);
    game = harbour_for(1);
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_ERR_ORDER);
    ck_assert_int_eq(nplug_use_game(rig.nest, NULL), NPLUG_ERR_ARGUMENT);
    rig_close(&rig);
    limits = nplug_limits_default();
    limits.sources = 3;
    game = harbour_for(2);
    rig_open(&rig, NULL, &limits);
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_ERR_FULL);
    ck_assert_ptr_nonnull(strstr(rig.log, "raise limits.sources"));
    rig_close(&rig);
}

TEST(a_game_has_a_digest_of_its_own)
{
    nplug_action_def action = {"act", NPLUG_ACTION_BUTTON, "pad:south", 0};
    nplug_game game = nplug_game_for_one("one", &action, 1);
    uint64_t first;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    first = nplug_game_digest(rig.nest);
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_OK);
    ck_assert_uint_eq(nplug_game_digest(rig.nest), first);
    action.bindings = "pad:east";
    nplug_use_game(rig.nest, &game);
    ck_assert_uint_ne(nplug_game_digest(rig.nest), first);
    rig_close(&rig);
}
