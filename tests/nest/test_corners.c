/* Corners that ./dev mutate found: readings of bindings, hats, guesses by shape, what a text says,
 * rules that must all hold, limits of arrivals, rings that lose again and again. */
#include "paper.h"
#include "story.h"
#include <stdio.h>
#include <string.h>

/* --- what a text says ------------------------------------------------------------------------- */

/* A curve stays within its ends: no point is beyond 1 along either way. */
TESTS(a_curve_ends_at_1, 5)
{
    static const struct {
        const char *text;
        bool right;
    } rows[] = {{"pad:trigger-left curve=0.5:0.2/1:1", true},
                {"pad:trigger-left curve=0.5:1", true},
                {"pad:trigger-left curve=0.5:1.01", false},
                {"pad:trigger-left curve=0.2:0.1/0.5:1.5", false},
                {"pad:trigger-left curve=1.01:1", false}};
    nplug_result result = nplug_read_bindings(NPLUG_ACTION_LEVEL, rows[_i].text, NULL, NULL, NULL);

    ck_assert_int_eq(result, rows[_i].right ? NPLUG_OK : NPLUG_ERR_BINDING);
}

static void half(void *user, nplug_vec2 *value)
{
    (void)user;
    value->x /= 2.0f;
}

static void quarter(void *user, nplug_vec2 *value)
{
    (void)user;
    value->x /= 4.0f;
}

/* Shapings of a game's own are told apart by their whole names. */
TESTS(own_shapings_have_whole_names, 3)
{
    static const nplug_shaper shapers[] = {
        {"slow", half, NULL}, {"fast", quarter, NULL}, {"slowly", quarter, NULL}};
    static const struct {
        const char *text;
        float value;
    } rows[] = {{"pad:trigger-right by=slow", 0.5f},
                {"pad:trigger-right by=fast", 0.25f},
                {"pad:trigger-right by=slowly", 0.25f}};
    nplug_action_def action = {"pull", NPLUG_ACTION_LEVEL, rows[_i].text, 0};
    nplug_game game = nplug_game_for_one("corners", &action, 1);
    test_rig rig;

    game.shapers = shapers;
    game.shaper_count = COUNT_OF(shapers);
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_sweep(rig.sim, MS, "pad", "trigger-right", (nplug_vec2){1.0f, 0.0f}, 0);
    rig_step(&rig, 2 * MS);
    ck_assert_float_eq(nplug_level(rig.nest, 1, 0), rows[_i].value);
    rig_close(&rig);
}

/* --- readings --------------------------------------------------------------------------------- */

/* A chord that is not held leaves its rest by no movement: the stick that was pushed stays the
 * latest. */
TEST(a_movement_without_its_chord_is_not_the_latest)
{
    static const nplug_action_def action = {"look", NPLUG_ACTION_VECTOR,
                                            "key:ControlLeft+mouse:move | pad:stick-left", 0};
    static const nplug_action_policy rule = {.action = 0, .merge = NPLUG_MERGE_LATEST};
    nplug_game game = nplug_game_for_one("corners", &action, 1);
    test_rig rig;

    game.policies = &rule;
    game.policy_count = 1;
    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    nplug_sim_plug(rig.sim, 0, "mouse", "stint");
    nplug_sim_sweep(rig.sim, MS, "pad", "stick-left", (nplug_vec2){0.75f, 0.0f}, 0);
    nplug_sim_roll(rig.sim, 5 * MS, "mouse", "move", (nplug_vec2){0.0f, 200.0f}, 40 * MS);
    for (nplug_time now = MS; now <= 60 * MS; now += 5 * MS) {
        rig_step(&rig, now);
        if (now > MS) ck_assert_float_gt(nplug_vector(rig.nest, 1, 0).x, 0.7f);
    }
    rig_close(&rig);
}

/* --- what a device is ------------------------------------------------------------------------- */

/* Each of the eight places of a round hat (USB HID usage 0x01:0x39), clockwise from up, is one or
 * two sides. */
TEST(a_round_hat_has_eight_places)
{
    static const char *const sides[] = {"pad:dpad-up", "pad:dpad-right", "pad:dpad-down",
                                        "pad:dpad-left"};
    static const paper_signal signals[] = {
        {USE(HID(1, 0x30), 0, 255)},
        {USE(HID(1, 0x31), 0, 255)},
        {HID(1, 0x39), NPLUG_SPACE_HID, NPLUG_NATURE_HAT, 0, 7, NO},
        {HID(9, 1), NPLUG_SPACE_HID, NPLUG_NATURE_BUTTON, 0, 1, NO},
        {HID(9, 2), NPLUG_SPACE_HID, NPLUG_NATURE_BUTTON, 0, 1, NO}};
    static const char text[] =
        "{\"nestplug\": \"sheet\", \"version\": 1, \"name\": \"own\", \"kind\": \"pad\", "
        "\"match\": "
        "[{\"vendor\": \"0x0077\", \"product\": [\"0x0009\"]}], \"controls\": {"
        "\"dpad-up\": {\"hid\": \"0x0001:0x0039\", \"side\": \"up\"}, "
        "\"dpad-right\": {\"hid\": \"0x0001:0x0039\", \"side\": \"right\"}, "
        "\"dpad-down\": {\"hid\": \"0x0001:0x0039\", \"side\": \"down\"}, "
        "\"dpad-left\": {\"hid\": \"0x0001:0x0039\", \"side\": \"left\"}}}";
    nplug_sheet_file *file;
    nplug_notes notes;
    paper_rig p;

    if (nplug_sheet_file_parse(text, strlen(text), "own", &file, &notes) != NPLUG_OK)
        ck_abort_msg("%s", notes.note[0].text);
    open_paper(&p);
    nplug_add_sheets(p.rig.nest, nplug_sheet_file_sheet(file), 1);
    plug_paper(&p, 3, 0x77, 9, 0, signals, COUNT_OF(signals));
    for (int place = 0; place <= 8; place++) {
        say(&p, (nplug_time)(place + 1) * MS, 2, place);
        rig_step(&p.rig, (nplug_time)(place + 1) * MS);
        for (int side = 0; side < 4; side++) {
            int apart = (place - 2 * side + 8) % 8;
            bool down = place < 8 && (apart <= 1 || apart == 7);
            ck_assert_float_eq(rig_control(&p.rig, 0, sides[side]).x, down ? 1.0f : 0.0f);
        }
    }
    rig_close(&p.rig);
    nplug_sheet_file_free(file);
}

/* A pad of which only the shape is known: its larger numbers are right and down. */
TEST(a_guessed_stick_points_right_and_down)
{
    paper_signal signals[14];
    paper_rig p;

    memset(signals, 0, sizeof signals);
    for (uint32_t i = 0; i < 14; i++) {
        paper_signal button = {i, NPLUG_SPACE_PLAIN, NPLUG_NATURE_BUTTON, 0, 1, 0, 0, 0, 0};
        paper_signal axis = {i, NPLUG_SPACE_PLAIN, NPLUG_NATURE_AXIS, 0, 254, 127, 0, 0, 0};
        signals[i] = i < 10 ? button : axis; /* the first signal is no axis */
    }
    open_paper(&p);
    ck_assert_int_eq(look_paper(&p, plug_paper(&p, 3, 0xb12e, 0x7001, 1, signals, 14)).matched,
                     NPLUG_MATCHED_SHAPE);
    for (uint16_t i = 10; i < 14; i++)
        say(&p, i * MS, i, 254);
    rig_step(&p.rig, 20 * MS);
    ck_assert_float_gt(rig_control(&p.rig, 0, "pad:stick-left").x, 0.7f);
    ck_assert_float_lt(rig_control(&p.rig, 0, "pad:stick-left").y, -0.7f);
    ck_assert_float_gt(rig_control(&p.rig, 0, "pad:stick-right").x, 0.7f);
    ck_assert_float_lt(rig_control(&p.rig, 0, "pad:stick-right").y, -0.7f);
    rig_close(&p.rig);
}

/* A rule that names an axis wants both of its numbers. */
TESTS(an_axis_of_a_rule_says_both_numbers, 4)
{
    nplug_rule match = {.vendor = 0x77, .axis = 7, .fuzz = 4, .flat = 15};
    nplug_wire wire = {.control = NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_TRIGGER_LEFT),
                       .code = 7};
    nplug_sheet sheet = {.size = sizeof sheet,
                         .name = "own",
                         .family = "",
                         .kind = NPLUG_KIND_PAD,
                         .rule_count = 1,
                         .wire_count = 1,
                         .rules = &match,
                         .wires = &wire};
    paper_signal signal = {7, NPLUG_SPACE_PLAIN, NPLUG_NATURE_AXIS, 0, 255, SILENT, 0, 4, 15};
    bool right_fuzz = _i & 1, right_flat = _i & 2;
    paper_rig p;

    if (!right_fuzz) signal.fuzz = 5;
    if (!right_flat) signal.flat = 14;
    open_paper(&p);
    ck_assert_int_eq(nplug_add_sheets(p.rig.nest, &sheet, 1), NPLUG_OK);
    ck_assert_str_eq(look_paper(&p, plug_paper(&p, 3, 0x77, 1, 0, &signal, 1)).sheet,
                     right_fuzz && right_flat ? "own" : "");
    rig_close(&p.rig);
}

/* --- what is refused, and what has no room ---------------------------------------------------- */

TESTS(a_rule_for_no_action_is_refused, 3)
{
    static const nplug_action_def action = {"call", NPLUG_ACTION_BUTTON, "pad:south", 0};
    nplug_action_policy rule = {.action = (uint32_t)_i};
    nplug_game game = nplug_game_for_one("corners", &action, 1);
    test_rig rig;

    game.policies = &rule;
    game.policy_count = 1;
    rig_open(&rig, NULL, NULL);
    ck_assert_int_eq(nplug_use_game(rig.nest, &game), _i == 0 ? NPLUG_OK : NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_start_pick(rig.nest, NULL), NPLUG_ERR_ARGUMENT);
    rig_close(&rig);
}

/* A ring that loses reports of one device after the other, with time between, asks for each of
 * them alone, however many there are. */
TEST(each_loss_is_made_good_alone)
{
    nplug_limits limits = nplug_limits_default();
    hand_port port = {0};
    test_rig rig;

    limits.ring_slots = 64;
    limits.devices = 40;
    limits.nodes = 40;
    limits.signals = 2000;
    limits.controls = 1000;
    rig_open(&rig, NULL, &limits);
    nplug_attach(rig.nest, &hand_table, &port);
    for (uint32_t device = 0; device < 24; device++) {
        nplug_time now = (device + 1) * 10 * MS;
        uint32_t resyncs = port.resyncs;
        push_heron(port.ring, now, device, NULL, NULL);
        rig_step(&rig, now);
        for (int i = 0; i < 100; i++) {
            nplug_report move =
                value_report(now + 1, device, (uint16_t)0, i * 300, NPLUG_REPORT_FLAG_MOVES);
            nplug_push(port.ring, &move, 1);
        }
        rig_step(&rig, now + 5);
        rig_step(&rig, now + 6);
        ck_assert_uint_eq(port.resyncs, resyncs + 1);
        ck_assert_uint_eq(port.last_resync, device);
        push_kind(port.ring, now + 7, device, NPLUG_REPORT_RESYNC_BEGIN);
        push_kind(port.ring, now + 7, device, NPLUG_REPORT_RESYNC_END);
        rig_step(&rig, now + 8);
    }
    rig_close(&rig);
}

/* --- stories -----------------------------------------------------------------------------------
 */

static const told_story stories[] = {
    /* Three ramps and no more: the second key of one is no other player's ramp. */
    {"the second key of a ramp is its own",
     "level turn = key:KeyA,KeyD rise=4 fall=4; level pull = key:KeyW rise=4 fall=4; "
     "players 2; seats call; limit ramps 3; 0 plug one turnstone; 0 plug two turnstone; "
     "0: claim #0 1; 1: claim #1 2; 2:; 10 press two KeyD; 110: level 2 turn 0.4~0.01; "
     "level 1 pull 0; 120 press one KeyW; 120 press two KeyW; 121: level 1 pull <0.1; "
     "level 2 pull <0.1"},
};

STORIES(stories)
