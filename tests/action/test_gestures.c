/* How presses are made: chords, layers, taps and holds, and that nothing depends on the frame rate.
 */
#include "story.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static const nplug_layer_def layers[] = {
    {"helm", 0, true}, {"deck", 5, false}, {"lookout", 5, false}};

/* Opens a nest for one player with a pad and a keyboard, and these actions. */
static void open_actions(test_rig *rig, const nplug_action_def *actions, uint32_t count)
{
    nplug_game game = nplug_game_for_one("gestures", actions, count);

    game.layers = layers;
    game.layer_count = COUNT_OF(layers);
    rig_open(rig, &game, NULL);
    nplug_sim_plug(rig->sim, 0, "pad", "heron");
    nplug_sim_plug(rig->sim, 0, "keys", "turnstone");
    rig_step(rig, 0);
}

/* One press: when (ms), of what, for how long (ms). */
typedef struct touch {
    const char *what;
    unsigned at, lasts;
} touch;

static void play(test_rig *rig, const touch *touches, size_t count)
{
    for (size_t i = 0; i < count && touches[i].what; i++) {
        bool pad = touches[i].what[0] >= 'a';
        nplug_sim_press(rig->sim, touches[i].at * MS, pad ? "pad" : "keys", touches[i].what,
                        touches[i].lasts * MS);
    }
}

/* What became of actions, one word an edge: "+A@100 -A@180": pressed, let go, at a millisecond. */
static void add_edges(const test_rig *rig, char *text, size_t size)
{
    for (uint32_t i = 0; i < nplug_event_count(rig->nest); i++) {
        const nplug_event *event = nplug_event_at(rig->nest, i);
        size_t used = strlen(text);
        bool press = event->kind == NPLUG_EVENT_PRESS;
        if (!press && event->kind != NPLUG_EVENT_RELEASE) continue;
        snprintf(text + used, size - used, "%s%c%s@%llu%s", used ? " " : "", press ? '+' : '-',
                 nplug_action_name(rig->nest, event->action),
                 (unsigned long long)(event->time / MS),
                 event->flags & NPLUG_EVENT_FLAG_CANCELLED ? "!" : "");
    }
}

/* --- gestures ------------------------------------------------------------------------------- */

/* The bindings of actions A, B and C; what is done; what comes of it. */
static const struct {
    const char *from[3];
    touch touches[6];
    const char *expected;
} rows[] = {
    /* one control */
    {{"pad:south on-release"}, {{"south", 100, 50}}, "+A@150 -A@150"},
    {{"pad:south tap=200"}, {{"south", 100, 50}, {"south", 400, 250}}, "+A@150 -A@150"},
    {{"pad:south hold=200"}, {{"south", 100, 250}, {"south", 500, 150}}, "+A@300 -A@350"},
    {{"pad:south repeat=200:100"},
     {{"south", 100, 350}},
     "+A@100 -A@300 +A@300 -A@400 +A@400 -A@450"},
    {{"pad:south double-tap=200"}, {{"south", 100, 50}, {"south", 300, 80}}, "+A@300 -A@380"},
    {{"pad:south double-tap=200"}, {{"south", 100, 50}, {"south", 400, 80}}, ""},
    {{"pad:south taps=3:200"},
     {{"south", 100, 50}, {"south", 200, 50}, {"south", 300, 50}},
     "+A@300 -A@350"},
    /* two gestures of one control */
    {{"pad:south", "pad:south hold=200"}, {{"south", 100, 250}}, "+A@100 +B@300 -A@350 -B@350"},
    {{"pad:south tap=300", "pad:south hold=200"}, {{"south", 100, 250}}, "+B@300 -B@350"},
    {{"pad:south tap=300", "pad:south hold=200"}, {{"south", 100, 150}}, "+A@250 -A@250"},
    {{"pad:south tap=200", "pad:south double-tap=200"},
     {{"south", 100, 50}, {"south", 600, 50}, {"south", 700, 60}},
     "+A@350 -A@350 +B@700 -B@760"},
    {{"pad:south double-tap=200", "pad:south taps=3:200"},
     {{"south", 100, 50}, {"south", 200, 50}},
     "+A@450 -A@450"},
    {{"pad:south double-tap=200", "pad:south taps=3:200"},
     {{"south", 100, 50}, {"south", 200, 50}, {"south", 300, 70}},
     "+B@300 -B@370"},
    {{"pad:south tap", "key:KeyB double-tap"}, {{"south", 100, 50}}, "+A@150 -A@150"},
    {{"pad:south tap=250", "pad:south double-tap=200"}, {{"south", 100, 220}}, "+A@320 -A@320"},
    {{"pad:south double-tap=200", "pad:south taps=3:200"},
     {{"south", 100, 50}, {"south", 200, 500}},
     "+A@400 -A@700"},
    {{"pad:south tap", "pad:south taps=3:100", "pad:south double-tap=200"},
     {{"south", 100, 50}, {"south", 200, 50}, {"south", 400, 50}},
     "+C@350 -C@350 +A@650 -A@650"},
    {{"pad:south tap", "pad:south taps=3:100"},
     {{"south", 100, 50}, {"south", 200, 50}},
     "+A@350 -A@350 +A@350 -A@350"},
    /* a direction, with a button held */
    {{"pad:shoulder-left+pad:dpad-right double-tap=200"},
     {{"shoulder-left", 50, 900}, {"dpad-right", 100, 50}, {"dpad-right", 200, 60}},
     "+A@200 -A@260"},
    /* chords: the longest one wins, whichever key comes up first */
    {{"key:KeyW", "key:ShiftLeft+key:KeyW"},
     {{"ShiftLeft", 100, 300}, {"KeyW", 200, 100}},
     "+B@200 -B@300"},
    {{"key:KeyW", "key:ShiftLeft+key:KeyW"},
     {{"ShiftLeft", 100, 150}, {"KeyW", 200, 200}},
     "+B@200 -B@250"},
    {{"key:KeyW", "key:ShiftLeft+key:KeyW"},
     {{"KeyW", 100, 400}, {"ShiftLeft", 200, 100}},
     "+A@100 -A@200! +B@200 -B@300"},
    {{"key:KeyW", "key:ShiftLeft/ShiftRight+key:KeyW", "key:ShiftRight"},
     {{"ShiftRight", 100, 200}, {"KeyW", 200, 200}},
     "+C@100 +B@200 -B@300 -C@300"},
    {{"key:KeyW", "key:ShiftLeft+key:KeyW", "key:ControlLeft+key:ShiftLeft+key:KeyW"},
     {{"ShiftLeft", 100, 400}, {"ControlLeft", 150, 200}, {"KeyW", 200, 100}},
     "+C@200 -C@300"},
    {{"key:KeyW", "key:ShiftLeft+key:KeyW observe", "key:ShiftLeft"},
     {{"KeyW", 100, 400}, {"ShiftLeft", 200, 100}},
     "+A@100 +B@200 +C@200 -B@300 -C@300 -A@500"},
    {{"key:ShiftLeft+key:KeyW", "key:KeyW+key:KeyE"},
     {{"ShiftLeft", 100, 400}, {"KeyE", 150, 300}, {"KeyW", 200, 100}},
     "+B@200 +A@200 -B@300 -A@300"},
    {{"key:ControlLeft+key:KeyW", "key:ControlLeft+key:KeyW+key:KeyE"},
     {{"ControlLeft", 100, 400}, {"KeyW", 150, 300}, {"KeyE", 200, 100}},
     "+A@150 -A@200! +B@200 -B@300"},
    {{"pad:confirm+pad:north", "pad:north"},
     {{"south", 100, 300}, {"north", 200, 50}, {"north", 500, 50}},
     "+A@200 -A@250 +B@500 -B@550"},
    {{"pad:north+pad:cancel"}, {{"north", 100, 300}, {"east", 200, 50}}, "+A@200 -A@250"},
    {{"key:ShiftLeft", "key:ShiftLeft+key:KeyW"},
     {{"KeyW", 100, 200}, {"ShiftLeft", 200, 50}},
     "+B@200 -B@250"},
    /* a key and a pad's button */
    {{"pad:south", "key:ShiftLeft+pad:south"},
     {{"ShiftLeft", 100, 300}, {"south", 200, 50}, {"south", 500, 50}},
     "+B@200 -B@250 +A@500 -A@550"},
    /* which devices */
    {{"pad:south family=quay-letters", "pad:south family=numbers",
      "pad:south sheet=heron kind=pad"},
     {{"south", 100, 50}},
     "+A@100 +C@100 -A@150 -C@150"},
};

static void run_row(unsigned row, unsigned rate, char *text, size_t size)
{
    nplug_action_def actions[3] = {{"A", NPLUG_ACTION_BUTTON, rows[row].from[0], 0},
                                   {"B", NPLUG_ACTION_BUTTON, rows[row].from[1], 0},
                                   {"C", NPLUG_ACTION_BUTTON, rows[row].from[2], 0}};
    test_rig rig;

    text[0] = 0;
    open_actions(&rig, actions, 3);
    play(&rig, rows[row].touches, COUNT_OF(rows[row].touches));
    for (unsigned step = 1; step <= 2 * rate; step++) {
        rig_step(&rig, step * SECOND / rate);
        add_edges(&rig, text, size);
    }
    rig_close(&rig);
}

TESTS(what_players_expect_of_a_press, COUNT_OF(rows))
{
    static const unsigned rates[] = {1, 20, 30, 60, 144, 1000};
    char text[512];

    for (size_t i = 0; i < COUNT_OF(rates); i++) {
        run_row((unsigned)_i, rates[i], text, sizeof text);
        check_same(text, rows[_i].expected, rows[_i].from[0]);
    }
}

/* --- directions ----------------------------------------------------------------------------- */

static void flick_right(test_rig *rig, nplug_time time)
{
    nplug_move move = {.time = time,
                       .span = 60 * MS,
                       .kind = NPLUG_MOVE_FLICK,
                       .on = "pad",
                       .what = "stick-left",
                       .x = 1.0f};
    rig_play(rig, &move, 1);
}

TEST(a_direction_of_a_stick_is_a_button)
{
    static const nplug_action_def actions[] = {
        {"up", NPLUG_ACTION_BUTTON, "pad:stick-left.up", 0},
        {"down", NPLUG_ACTION_BUTTON, "pad:stick-left.down press=0.8 release=0.2", 0},
        {"right", NPLUG_ACTION_BUTTON, "pad:stick-left.right double-tap=300", 0},
        {"trim", NPLUG_ACTION_LEVEL, "pad:stick-left.x", 0},
        {"wake", NPLUG_ACTION_BUTTON, "pad:stick-left.y", 0}};
    test_rig rig;

    open_actions(&rig, actions, COUNT_OF(actions));
    nplug_sim_sweep(rig.sim, 100 * MS, "pad", "stick-left", (nplug_vec2){0.3f, 0.9f}, 100 * MS);
    rig_step(&rig, 300 * MS);
    ck_assert(nplug_held(rig.nest, 1, 0) && !nplug_held(rig.nest, 1, 1));
    ck_assert_float_eq_tol(nplug_level(rig.nest, 1, 3), 0.3f, 0.001f);
    nplug_sim_sweep(rig.sim, 400 * MS, "pad", "stick-left", (nplug_vec2){0.0f, -0.7f}, 100 * MS);
    rig_step(&rig, 600 * MS);
    ck_assert(!nplug_held(rig.nest, 1, 0) && !nplug_held(rig.nest, 1, 1));
    ck_assert(nplug_presses(rig.nest, 1, 4) == 1 && nplug_held(rig.nest, 1, 4));
    nplug_sim_sweep(rig.sim, 700 * MS, "pad", "stick-left", (nplug_vec2){0.0f, -0.9f}, 10 * MS);
    nplug_sim_sweep(rig.sim, 800 * MS, "pad", "stick-left", (nplug_vec2){0.0f, -0.3f}, 10 * MS);
    rig_step(&rig, 900 * MS);
    ck_assert(nplug_held(rig.nest, 1, 1));
    flick_right(&rig, SECOND);
    flick_right(&rig, 1200 * MS);
    rig_step(&rig, 2 * SECOND);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, 2), 1);
    ck_assert_uint_eq(nplug_releases(rig.nest, 1, 1), 1);
    rig_close(&rig);
}

/* --- layers --------------------------------------------------------------------------------- */

enum { L_HORN, L_STEER, L_ROPE, L_LOOK, L_BELL };

/* --- any source for any action -------------------------------------------------------------- */

static void in_steps(void *user, nplug_vec2 *value)
{
    float steps = *(const float *)user;

    value->x = (float)(int)(value->x * steps) / steps;
    value->y = value->x > 0.9f ? 0.0f / steps : 7.0f; /* what is beyond is brought back */
}

TEST(a_game_may_shape_by_a_function_of_its_own)
{
    static float four = 4.0f;
    static const nplug_shaper shapers[] = {{"steps", in_steps, &four}};
    static const nplug_action_def actions[] = {
        {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right by=steps", 0},
        {"steer", NPLUG_ACTION_VECTOR,
         "pad:stick-left dead=0.1 by=steps | keys:KeyW,KeyS,KeyA,KeyD by=steps", 0}};
    static const nplug_action_def wrong[] = {
        {"t", NPLUG_ACTION_LEVEL, "pad:trigger-left by=stairs", 0}};
    nplug_game game = nplug_game_for_one("own", actions, 2);
    test_rig rig;

    game.shapers = shapers;
    game.shaper_count = 1;
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_sweep(rig.sim, MS, "pad", "trigger-right", (nplug_vec2){0.7f, 0.0f}, 0);
    nplug_sim_sweep(rig.sim, MS, "pad", "stick-left", (nplug_vec2){0.4f, 0.0f}, 0);
    rig_step(&rig, 10 * MS);
    ck_assert_float_eq(nplug_level(rig.nest, 1, 0), 0.5f);
    ck_assert_float_eq(nplug_vector(rig.nest, 1, 1).x, 0.25f);
    ck_assert_float_eq(nplug_vector(rig.nest, 1, 1).y, 1.0f);
    rig_close(&rig);
    game.actions = wrong;
    game.action_count = 1;
    rig_open(&rig, NULL, NULL);
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), NPLUG_ERR_BINDING);
    ck_assert_ptr_nonnull(strstr(rig.log, "of this game's own"));
    rig_close(&rig);
}

TEST(a_level_reads_as_a_button_and_in_bands)
{
    static const nplug_band bands[] = {{"drift", 0.1f}, {"cruise", 0.4f}, {"full", 0.9f}};
    static const nplug_action_def actions[] = {
        {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0}};
    static const nplug_action_policy rules[] = {{0, 0, 0, 0, bands, 3, 0, false}};
    static const struct {
        float pull;
        uint32_t band;
        bool held;
    } pulls[] = {{0.0f, NPLUG_NO_BAND, false},
                 {0.2f, 0, false},
                 {0.45f, 1, false},
                 {0.6f, 1, true},
                 {1.0f, 2, true}};
    nplug_game game = nplug_game_for_one("bands", actions, 1);
    NPLUG_SIZED(nplug_action_facts, state);
    test_rig rig;

    game.policies = rules;
    game.policy_count = 1;
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    for (unsigned i = 0; i < COUNT_OF(pulls); i++) {
        nplug_vec2 to = {pulls[i].pull, 0.0f};
        nplug_sim_sweep(rig.sim, (i + 1) * SECOND, "pad", "trigger-right", to, 0);
        rig_step(&rig, (i + 1) * SECOND);
        ck_assert_uint_eq(nplug_band_number(rig.nest, 1, 0), pulls[i].band);
        ck_assert_int_eq(nplug_held(rig.nest, 1, 0), pulls[i].held);
        ck_assert_int_eq(nplug_action_info(rig.nest, 1, 0, &state), NPLUG_OK);
        ck_assert_int_eq(state.held, pulls[i].held);
        ck_assert_uint_eq(nplug_presses(rig.nest, 1, 0), i == 3);
    }
    ck_assert_str_eq(nplug_band_name(rig.nest, 0, 2), "full");
    ck_assert_ptr_null(nplug_band_name(rig.nest, 0, NPLUG_NO_BAND));
    rig_close(&rig);
}

/* --- what is printed on keys ------------------------------------------------------------------ */

TEST(a_shortcut_follows_the_letter_when_the_layout_changes)
{
    static const nplug_action_def actions[] = {
        {"undo", NPLUG_ACTION_BUTTON, "key:ControlLeft+key-label:z", 0},
        {"steer", NPLUG_ACTION_VECTOR, "keys:KeyW,KeyS,KeyA,KeyD", 0},
        {"zone", NPLUG_ACTION_BUTTON, "key:KeyZ | key:KeyY | key:KeyW", 0}};
    static const struct {
        const char *layout, *z, *other; /* the keys by position */
    } rows_[] = {
        {"qwerty", "KeyZ", "KeyW"}, {"azerty", "KeyW", "KeyZ"}, {"qwertz", "KeyY", "KeyZ"}};
    nplug_time now = SECOND;
    test_rig rig;

    open_actions(&rig, actions, 3);
    for (size_t i = 0; i < COUNT_OF(rows_); i++, now += SECOND) {
        ck_assert_int_eq(nplug_sim_layout(rig.sim, now, rows_[i].layout), NPLUG_OK);
        nplug_sim_press(rig.sim, now + 90 * MS, "keys", "ControlLeft", 300 * MS);
        nplug_sim_press(rig.sim, now + 100 * MS, "keys", rows_[i].other, 50 * MS);
        rig_step(&rig, now + 50 * MS);
        rig_step(&rig, now + 180 * MS);
        ck_assert_uint_eq(nplug_presses(rig.nest, 1, 0), 0);
        ck_assert_uint_eq(nplug_presses(rig.nest, 1, 2), 1);
        nplug_sim_press(rig.sim, now + 200 * MS, "keys", rows_[i].z, 50 * MS);
        rig_step(&rig, now + 500 * MS);
        ck_assert_msg(nplug_presses(rig.nest, 1, 0) == 1, "%s", rows_[i].layout);
        ck_assert_uint_eq(nplug_presses(rig.nest, 1, 2), 0); /* the key is the chord's */
        ck_assert_float_eq(nplug_vector(rig.nest, 1, 1).y, 0.0f);
    }
    ck_assert_int_eq(nplug_sim_layout(rig.sim, now, "dvorak"), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_bind(rig.nest, 1, 0, "key-label:m"),
                     NPLUG_OK); /* a new letter is asked for */
    rig_step(&rig, now);
    rig_step(&rig, now + MS);
    nplug_sim_press(rig.sim, now + 2 * MS, "keys", "KeyM", MS);
    rig_step(&rig, now + 10 * MS);
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, 0), 1);
    rig_close(&rig);
}

/* --- fixed ticks and callbacks -------------------------------------------------------------- */

TEST(a_press_a_little_too_early_is_used_once)
{
    static const nplug_action_def actions[] = {{"horn", NPLUG_ACTION_BUTTON, "pad:south", 0}};
    NPLUG_SIZED(nplug_action_facts, state);
    test_rig rig;

    open_actions(&rig, actions, 1);
    nplug_sim_press(rig.sim, 100 * MS, "pad", "south", 300 * MS);
    rig_step(&rig, 200 * MS);
    ck_assert(!nplug_use_press(rig.nest, 1, 0, 99));
    ck_assert(nplug_use_press(rig.nest, NPLUG_EVERYONE, 0, 100));
    ck_assert(!nplug_use_press(rig.nest, 1, 0, 100));
    ck_assert_uint_eq(nplug_presses(rig.nest, 1, 0), 1);
    nplug_action_info(rig.nest, 1, 0, &state);
    ck_assert_uint_eq(state.held_for, 100 * MS);
    nplug_sim_press(rig.sim, 500 * MS, "pad", "south", 10 * MS);
    rig_step(&rig, 600 * MS);
    ck_assert(nplug_use_press(rig.nest, 1, 0, 120));
    rig_close(&rig);
}

static void count_call(void *user, nplug_nest *nest, const nplug_event *event)
{
    uint32_t *calls = (uint32_t *)user;

    ck_assert_ptr_nonnull(nplug_action_name(nest, event->action));
    calls[event->kind == NPLUG_EVENT_RELEASE]++;
}

TEST(events_are_handed_to_a_table_of_functions)
{
    static const nplug_action_def actions[] = {{"horn", NPLUG_ACTION_BUTTON, "pad:south", 0},
                                               {"bell", NPLUG_ACTION_BUTTON, "pad:east", 0}};
    static const nplug_handler table[] = {{NPLUG_EVENT_PRESS, 0, count_call},
                                          {NPLUG_EVENT_RELEASE, NPLUG_EVERY_ACTION, count_call}};
    uint32_t calls[2] = {0, 0};
    test_rig rig;

    open_actions(&rig, actions, 2);
    nplug_sim_press(rig.sim, MS, "pad", "south", MS);
    nplug_sim_press(rig.sim, MS, "pad", "east", MS);
    rig_step(&rig, 10 * MS);
    ck_assert_uint_eq(nplug_dispatch(rig.nest, table, 2, calls), 3);
    ck_assert_uint_eq(calls[0], 1);
    ck_assert_uint_eq(calls[1], 2);
    rig_close(&rig);
}

/* --- stories -----------------------------------------------------------------------------------
 */

/* Keys in the order A, D; and of a stick at a half to the right and of keys, never more than one.
 */
#define TRIM(rule, from)                                                                           \
    "level trim = " from "; rule trim " rule "; plug pad heron; plug keys turnstone; "
#define HALF     "1 sweep pad stick-left 0.5; "
#define A_THEN_D "100 press keys KeyA 2000; 220 press keys KeyD 2000; 300: level 1 trim "
#define BOTH     "pad:stick-left.x | keys:KeyA,KeyD"
static const told_story merges[] = {
    {"neutral", TRIM("opposite=neutral", "keys:KeyA,KeyD") A_THEN_D "0"},
    {"latest", TRIM("opposite=latest", "keys:KeyA,KeyD") A_THEN_D "1"},
    {"first", TRIM("opposite=first", "keys:KeyA,KeyD") A_THEN_D "-1"},
    {"low", TRIM("opposite=low", "keys:KeyA,KeyD") A_THEN_D "-1"},
    {"high", TRIM("opposite=high", "keys:KeyA,KeyD") A_THEN_D "1"},
    {"strongest", TRIM("", BOTH) HALF "2 press keys KeyA; 3: level 1 trim -1"},
    {"added", TRIM("added", BOTH) HALF "2 press keys KeyA; 3: level 1 trim -0.5~0.001"},
    {"added to one", TRIM("added", BOTH) HALF "2 press keys KeyD; 3: level 1 trim 1"},
    {"the trigger came last",
     TRIM("latest", "keys:KeyA,KeyD | pad:trigger-right") "1 press keys KeyA; 3 press pad "
                                                          "trigger-right; 4: level 1 trim 1"},
    {"the key came last",
     TRIM("latest", "pad:trigger-right | keys:KeyA,KeyD") "1 press pad trigger-right; 3 press keys "
                                                          "KeyA; 4: level 1 trim -1"},
};

TESTS(several_sources_never_add_up_to_more_than_one, COUNT_OF(merges))
{
    play_story(&merges[_i]);
}

static const told_story stories[] = {
    /* Buttons of a pad as a vector and as a level, however they are listed. */
    {"controls of any class make a vector or a level",
     "vector steer = pad:dpad; vector walk = pad:dpad-up,dpad-down,dpad-left,dpad-right; "
     "vector run = key:ShiftLeft+pad:dpad-up,key:KeyS,pad:dpad-left,key:KeyD; "
     "level lift = pad:west,east scale=0.5; 0 plug pad heron; 0 plug keys turnstone; 0:; "
     "100 press pad dpad-up; 100 press pad dpad-left; 100 press pad west; "
     "200: vector 1 steer <-0.7; vector 1 steer - >0.7; vector 1 walk <-0.7; "
     "vector 1 walk - >0.7; vector 1 run - 0; level 1 lift -0.5; 300 press keys ShiftLeft; "
     "300 release pad dpad-left; 300 press keys KeyD; 400: vector 1 run >0.7; "
     "vector 1 run - >0.7"},
    {"a layer that only observes takes nothing",
     "layer helm 0 on; layer deck 5 off; layer lookout 5 off; "
     "button horn = pad:south | key:KeyH; vector steer = pad:stick-left; "
     "button rope@deck = pad:south | pad:stick-left.up; "
     "button look@lookout = pad:east | pad:south observe; button bell = pad:east; "
     "0 plug pad heron; 0 plug keys turnstone; 0: switch any lookout on; 100 press pad south; "
     "200: held 1 horn; held 1 look; 300 press pad east; 400: not held 1 bell"},
    {"one of some actions is held at a time",
     "button up = pad:stick-left.up; button right = pad:stick-left.right; rule up one-of=7; "
     "rule right one-of=7; 0 plug pad heron; 1 sweep pad stick-left 0.7 0.9 100; "
     "1000: held 1 up; not held 1 right"},
};

STORIES(stories)
