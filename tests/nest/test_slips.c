/* Slips that no other suite noticed: each was found by changing the core (./dev mutate). */
#include "paper.h"
#include "story.h"
#include <math.h>
#include <stdio.h>
#include <string.h>

enum { PULL, CALL, SWAY, ACTIONS };
static const nplug_action_def actions[ACTIONS] = {
    [PULL] = {"pull", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0},
    [CALL] = {"call", NPLUG_ACTION_BUTTON, "pad:south | key:KeyF", 0},
    [SWAY] = {"sway", NPLUG_ACTION_VECTOR, "pad:stick-left | mouse:move", 0},
};

static void open_game(test_rig *rig, const nplug_game *game, const nplug_limits *limits)
{
    rig_open(rig, game, limits);
    nplug_sim_plug(rig->sim, 0, "pad", "heron");
    nplug_sim_plug(rig->sim, 0, "keys", "turnstone");
    nplug_sim_plug(rig->sim, 0, "mouse", "stint");
    rig_step(rig, MS);
}

/* --- who is here ------------------------------------------------------------------------------ */

TEST(one_unit_key_of_two_ports_is_two_devices)
{
    nplug_game game = harbour_for(1);
    hand_port one = {0}, other = {0};
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_attach(rig.nest, &hand_table, &one);
    nplug_attach(rig.nest, &hand_table, &other);
    push_heron(one.ring, 0, 1, NULL, "unit");
    push_heron(other.ring, 0, 1, NULL, "unit");
    rig_step(&rig, 1);
    ck_assert_uint_eq(nplug_device_count(rig.nest), 2);
    rig_close(&rig);
}

/* The first byte of two is cut off at the end, whatever it is from 0xc2 on. */
TESTS(a_name_ends_before_a_letter_of_two_bytes_that_is_cut, 3)
{
    static const char *const letters[] = {"\xc2\xa9", "\xc3\xa4", "\xdf\xbf"};
    NPLUG_SIZED(nplug_device_facts, info);
    hand_port port = {0};
    nplug_report report = value_report(0, 1, 0, 0, 0);
    nplug_game game = harbour_for(1);
    char name[64];
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_attach(rig.nest, &hand_table, &port);
    memset(name, 0, sizeof name);
    for (unsigned i = 0; i < 24; i++)
        memcpy(name + 2 * i, letters[_i], 2);
    report.kind = NPLUG_REPORT_ARRIVE;
    nplug_push(port.ring, &report, 1);
    nplug_push_text(port.ring, 0, 1, NPLUG_TEXT_NAME, name);
    push_kind(port.ring, 0, 1, NPLUG_REPORT_READY);
    rig_step(&rig, 1);
    nplug_device_info(rig.nest, nplug_device_at(rig.nest, 0), &info);
    ck_assert_uint_eq(strlen(info.name), 46);
    ck_assert_int_eq(memcmp(info.name, name, 46), 0);
    rig_close(&rig);
}

/* --- bindings --------------------------------------------------------------------------------- */

static void make_nothing(void *user, nplug_vec2 *value)
{
    (void)user;
    value->x = value->x > 0.5f ? (float)NAN : value->x;
}

TEST(a_shaper_that_gives_no_number_gives_0)
{
    static const nplug_shaper shapers[] = {{"nothing", make_nothing, NULL}};
    static const nplug_action_def shaped[] = {
        {"pull", NPLUG_ACTION_LEVEL, "pad:trigger-right by=nothing", 0}};
    nplug_game game = nplug_game_for_one("slips", shaped, 1);
    test_rig rig;

    game.shapers = shapers;
    game.shaper_count = 1;
    open_game(&rig, &game, NULL);
    nplug_sim_sweep(rig.sim, 2 * MS, "pad", "trigger-right", (nplug_vec2){0.4f, 0.0f}, MS);
    rig_step(&rig, 10 * MS);
    ck_assert_float_eq_tol(nplug_level(rig.nest, 1, 0), 0.4f, 0.01f);
    nplug_sim_sweep(rig.sim, 12 * MS, "pad", "trigger-right", (nplug_vec2){0.9f, 0.0f}, MS);
    rig_step(&rig, 20 * MS);
    ck_assert_float_eq(nplug_level(rig.nest, 1, 0), 0.0f);
    rig_close(&rig);
}

/* A player's comfort keeps its shaping, whatever bindings come and go. */
TEST(a_comfort_keeps_its_shaping)
{
    nplug_game game = nplug_game_for_one("slips", actions, ACTIONS);
    test_rig rig;
    char text[40];

    open_game(&rig, &game, NULL);
    nplug_set_comfort(rig.nest, 1, PULL, "dead=0.5");
    nplug_sim_sweep(rig.sim, 2 * MS, "pad", "trigger-right", (nplug_vec2){0.4f, 0.0f}, MS);
    for (unsigned i = 0; i < 60; i++) {
        snprintf(text, sizeof text, "pad:stick-left dead=0.%02u", 1 + i);
        ck_assert_int_eq(nplug_bind(rig.nest, NPLUG_EVERYONE, SWAY, text), NPLUG_OK);
        rig_step(&rig, (10 + i) * MS);
        ck_assert(!rig_saw(&rig, NPLUG_EVENT_LIMIT, NULL));
        ck_assert_float_eq(nplug_level(rig.nest, 1, PULL), 0.0f);
    }
    rig_close(&rig);
}

TEST(a_command_of_no_known_kind_is_refused)
{
    nplug_game game = harbour_for(1);
    nplug_command command = {0};
    test_rig rig;

    rig_open(&rig, &game, NULL);
    ck_assert_int_eq(nplug_post(rig.nest, &command), NPLUG_ERR_ARGUMENT);
    command.kind = NPLUG_COMMAND_PAUSE_RUMBLE + 1;
    ck_assert_int_eq(nplug_post(rig.nest, &command), NPLUG_ERR_ARGUMENT);
    command.kind = NPLUG_COMMAND_LEAVE;
    command.player = 1;
    ck_assert_int_eq(nplug_post(rig.nest, &command), NPLUG_OK);
    rig_close(&rig);
}

/* --- the rest --------------------------------------------------------------------------------- */

TEST(names_that_are_none_are_no_number)
{
    nplug_game game = harbour_for(1);
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    ck_assert_uint_eq(nplug_action_number(rig.nest, "horn"), NPLUG_NO_ACTION);
    rig_close(&rig);
    rig_open(&rig, &game, NULL);
    ck_assert_uint_eq(nplug_action_number(NULL, "horn"), NPLUG_NO_ACTION);
    ck_assert_uint_eq(nplug_action_number(rig.nest, NULL), NPLUG_NO_ACTION);
    ck_assert_int_eq(nplug_action_number(rig.nest, "horn"), HORN);
    rig_close(&rig);
}

/* --- what was given to a nest ----------------------------------------------------------------- */

static uint64_t digest_of(const nplug_sheet *sheet, const nplug_calibration *calibration)
{
    nplug_game game = harbour_for(1);
    uint64_t digest;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    if (sheet) ck_assert_int_eq(nplug_add_sheets(rig.nest, sheet, 1), NPLUG_OK);
    if (calibration) nplug_use_calibrations(rig.nest, calibration, 1);
    digest = nplug_given_digest(rig.nest);
    rig_close(&rig);
    return digest;
}

/* Another number anywhere in a sheet or a calibration is another digest. */
TEST(all_that_was_given_is_in_its_digest)
{
    uint64_t found[64];
    unsigned count = 0;

    for (unsigned change = 0; change < 26; change++) {
        uint32_t codes[2] = {0x10130, 0x10131};
        nplug_rule match = {3, 0xb12d, 0x0999, 1, 0, 0, 1, 1, codes, codes + 1, 5, 6, 7};
        nplug_wire wire = {
            NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_SOUTH), 0, 1, 0x10130, 1, 2, 0, 3, 4, 5, 6};
        nplug_sheet sheet = {.size = sizeof sheet,
                             .kind = NPLUG_KIND_PAD,
                             .name = "slip",
                             .family = "",
                             .rules = &match,
                             .wires = &wire,
                             .rule_count = 1,
                             .wire_count = 1};
        uint16_t *words[] = {&match.bus,  &match.vendor, &match.product,   &match.version,
                             &match.kind, &match.space,  &wire.debounce_ms};
        uint8_t *bytes[] = {&wire.component, &wire.space, &wire.reading, &wire.flags, &wire.node};
        int32_t *numbers[] = {&match.fuzz, &match.flat, &wire.rest, &wire.min, &wire.max};
        if (change && change <= 7) *words[change - 1] ^= 1;
        if (change > 7 && change <= 12) *bytes[change - 8] ^= 1;
        if (change > 12 && change <= 17) *numbers[change - 13] ^= 1;
        if (change == 18) wire.control++;
        if (change == 19) wire.code++;
        if (change == 20) sheet.confirm = NPLUG_PAD_EAST;
        if (change == 21) sheet.keys = 1;
        if (change == 22 || change == 23) codes[change - 22]++;
        if (change == 24) match.has_count = 0;
        if (change == 25) match.lacks_count = 0;
        found[count++] = digest_of(&sheet, NULL);
    }
    for (unsigned change = 0; change < 7; change++) {
        nplug_calibration one = {1, 2, 3, 4, 5, 6, 0};
        int32_t *numbers[] = {&one.rest, &one.low, &one.high};
        if (change == 1) one.device ^= 1;
        if (change == 2) one.space ^= 1;
        if (change == 3) one.code ^= 1;
        if (change > 3) *numbers[change - 4] ^= 1;
        found[count++] = digest_of(NULL, &one);
    }
    for (unsigned a = 0; a < count; a++)
        for (unsigned b = 0; b < a; b++)
            ck_assert_msg(found[a] != found[b], "changes %u and %u are not told apart", a, b);
}

/* --- stories -----------------------------------------------------------------------------------
 */

static const told_story stories[] = {
    /* A mouse of the shared part comes, and a second keyboard: that part of it stays free. */
    {"who has the part of one keyboard does not get that of the next",
     "harbour; players 2; part left KeyW,mouse; part right KeyH; 0 plug mouse stint; "
     "1 press mouse left 1; 3 plug keys turnstone; 4 plug keys-2 turnstone; 5: hears #0 1 1; "
     "hears #1 1 1; hears #1 2 -; hears #2 0 -"},
    /* A binding is changed while its key is held: what takes the place of its source is up. */
    {"a source in the place of one that was held is up",
     "level pull = pad:trigger-right; button call = pad:south | key:KeyF; "
     "vector sway = pad:stick-left | mouse:move; 0 plug pad heron; 0 plug keys turnstone; "
     "0 plug mouse stint; 1:; 2 press keys KeyF; 3: bind any call = key:KeyG; "
     "4: not held 1 call; 5 press keys KeyG 1; 10: presses 1 call 1; releases 1 call 1"},
    {"a chord of keys that nothing else names fires",
     "level pull = pad:trigger-right; button call = pad:south | key:KeyF; "
     "vector sway = pad:stick-left | mouse:move; 0 plug pad heron; 0 plug keys turnstone; "
     "0 plug mouse stint; 1: bind 1 call = key:KeyB+key:KeyN; 2 press keys KeyB 9; "
     "3 press keys KeyN 1; 20: presses 1 call 1"},
    /* A higher layer's new binding takes its key at once. */
    {"a new binding of a higher layer takes its control",
     "layer deck 0 on; layer helm 5 on; button low = key:KeyF; button high@helm = key:KeyG; "
     "0 plug pad heron; 0 plug keys turnstone; 0 plug mouse stint; "
     "1: bind any high = key:KeyF; 2 press keys KeyF; 3: not held 1 low; held 1 high; "
     "switch 1 helm off; 4: saw release control=- device=0 flags=cancelled"},
    /* A mouse is the latest until it has paused; then the stick is again. */
    {"a mouse is the latest until it pauses",
     "level pull = pad:trigger-right; button call = pad:south | key:KeyF; "
     "vector sway = pad:stick-left | mouse:move; rule sway latest; 0 plug pad heron; "
     "0 plug keys turnstone; 0 plug mouse stint; 1:; 2 say pad 3:0 32767; "
     "10: vector 1 sway 1; 15 say mouse 2:0 -5; 20: vector 1 sway -0.5~0.001; "
     "114: vector 1 sway 0; 115: vector 1 sway 1"},
};

STORIES(stories)
