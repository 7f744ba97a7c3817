/* Structs of other versions: what an older or a later program hands over, and what it gets back. */
#include "support.h"
#include <stdio.h>
#include <string.h>

enum { LATER = 24 }; /* bytes that a later version's struct has beside ours */

/* A query, by the size that its caller knows. */
typedef nplug_result (*query)(const test_rig *rig, void *to);

static nplug_result ask_device(const test_rig *rig, void *to)
{
    return nplug_device_info(rig->nest, nplug_device_at(rig->nest, 0), to);
}

static nplug_result ask_signal(const test_rig *rig, void *to)
{
    return nplug_signal_info(rig->nest, nplug_device_at(rig->nest, 0), 2, to);
}

static nplug_result ask_control(const test_rig *rig, void *to)
{
    return nplug_control_info(rig->nest, nplug_device_at(rig->nest, 0), 1, to);
}

static nplug_result ask_rule(const test_rig *rig, void *to)
{
    return nplug_rule_info(rig->nest, nplug_device_at(rig->nest, 0), 0, to);
}

static nplug_result ask_action(const test_rig *rig, void *to)
{
    return nplug_action_info(rig->nest, 1, HORN, to);
}

static nplug_result ask_active(const test_rig *rig, void *to)
{
    return nplug_active_info(rig->nest, 1, to);
}

static nplug_result ask_following(const test_rig *rig, void *to)
{
    return nplug_following_info(rig->nest, 1, to);
}

static nplug_result ask_pick(const test_rig *rig, void *to)
{
    return nplug_pick_info(rig->nest, to);
}

static nplug_result ask_counts(const test_rig *rig, void *to)
{
    return nplug_nest_counts(rig->nest, to);
}

static nplug_result ask_limits(const test_rig *rig, void *to)
{
    return nplug_nest_limits(rig->nest, to);
}

static nplug_result ask_nest(const test_rig *rig, void *to)
{
    return nplug_nest_info(rig->nest, to);
}

static nplug_result ask_calibration(const test_rig *rig, void *to)
{
    return nplug_calibration_info(rig->nest, nplug_device_at(rig->nest, 0), 0, to);
}

static nplug_result ask_offer(const test_rig *rig, void *to)
{
    return nplug_offer_info(rig->nest, 1, 0, 0, to);
}

static const struct {
    query ask;
    uint32_t size;
} queries[] = {{ask_offer, sizeof(nplug_offer)},
               {ask_device, sizeof(nplug_device_facts)},
               {ask_signal, sizeof(nplug_signal_facts)},
               {ask_control, sizeof(nplug_control_facts)},
               {ask_rule, sizeof(nplug_rule_facts)},
               {ask_action, sizeof(nplug_action_facts)},
               {ask_active, sizeof(nplug_active_set)},
               {ask_following, sizeof(nplug_following)},
               {ask_pick, sizeof(nplug_pick_facts)},
               {ask_counts, sizeof(nplug_counts)},
               {ask_limits, sizeof(nplug_limits)},
               {ask_nest, sizeof(nplug_nest_facts)},
               {ask_calibration, sizeof(nplug_calibration_facts)}};

static nplug_result ask_with(const test_rig *rig, int row, uint32_t size, unsigned char *block)
{
    memset(block, 0x5a, 1024);
    memcpy(block, &size, sizeof size);
    return queries[row].ask(rig, block);
}

/* A query writes what its caller has room for, keeps the size, and touches nothing behind it. */
TESTS(a_query_writes_what_its_caller_knows, COUNT_OF(queries))
{
    nplug_game game = harbour_for(1);
    uint32_t size = queries[_i].size, later = size + LATER, kept;
    static unsigned char own[1024], larger[1024];
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_press(rig.sim, MS, "pad", "south", MS);
    rig_step(&rig, 10 * MS);
    ck_assert_int_eq(ask_with(&rig, _i, size, own), NPLUG_OK);
    for (uint32_t i = size; i < 1024; i++)
        ck_assert_uint_eq(own[i], 0x5a);
    ck_assert_int_eq(ask_with(&rig, _i, later, larger), NPLUG_OK);
    memcpy(&kept, larger, sizeof kept);
    ck_assert_uint_eq(kept, later);
    ck_assert_int_eq(memcmp(own + 4, larger + 4, size - 4), 0);
    for (uint32_t i = size; i < 1024; i++)
        ck_assert_uint_eq(larger[i], i < later ? 0 : 0x5a);
    for (uint32_t small = 0; small < size; small += 4) {
        ck_assert_int_eq(ask_with(&rig, _i, small, own), NPLUG_ERR_SIZE);
        ck_assert_uint_eq(own[8], 0x5a);
    }
    rig_close(&rig);
}

/* --- what is handed over ---------------------------------------------------------------------- */

/* Our structs at the front of a later version's. */
typedef struct later {
    union {
        uint32_t size;
        nplug_setup setup;
        nplug_limits limits;
        nplug_following following;
        nplug_pick pick;
        nplug_game game;
        nplug_port port;
    } is;
    unsigned char more[LATER];
} later;

static nplug_result hand_over(int row, test_rig *rig, later *one)
{
    static nplug_game game;
    nplug_setup setup = nplug_setup_default();
    nplug_nest *nest = NULL;
    nplug_result result = NPLUG_OK;

    game = harbour_for(1);
    if (row == 0) return nplug_follow(rig->nest, 1, &one->is.following);
    if (row == 1) return nplug_start_pick(rig->nest, &one->is.pick);
    if (row == 2) return nplug_attach(rig->nest, &one->is.port, &(hand_port){0});
    if (row == 3) result = nplug_start_bare(&game, &one->is.setup, &nest);
    if (row == 4) setup.limits = &one->is.limits;
    if (row == 4) result = nplug_start_bare(&game, &setup, &nest);
    if (row == 5) result = nplug_start_bare(&one->is.game, NULL, &nest);
    nplug_stop(nest);
    return result;
}

static uint32_t fill(int row, later *one)
{
    static const uint32_t sizes[] = {sizeof(nplug_following), sizeof(nplug_pick),
                                     sizeof(nplug_port),      sizeof(nplug_setup),
                                     sizeof(nplug_limits),    sizeof(nplug_game)};

    memset(one, 0, sizeof *one);
    if (row == 0) one->is.following = nplug_following_default();
    if (row == 1) one->is.pick = nplug_pick_default();
    if (row == 2) one->is.port = hand_table;
    if (row == 3) one->is.setup = nplug_setup_default();
    if (row == 4) one->is.limits = nplug_limits_default();
    if (row == 5) one->is.game = harbour_for(1);
    return sizes[row];
}

/* A later struct is taken where what we do not know of it is 0, a smaller one than was ever
 * released never. */
TESTS(a_later_struct_is_taken_where_the_rest_is_0, 6)
{
    nplug_game game = harbour_for(1);
    unsigned char *bytes;
    uint32_t size;
    test_rig rig;
    later one;

    rig_open(&rig, &game, NULL);
    size = fill(_i, &one);
    ck_assert_int_eq(hand_over(_i, &rig, &one), NPLUG_OK);
    fill(_i, &one);
    one.is.size = size + LATER;
    ck_assert_int_eq(hand_over(_i, &rig, &one), NPLUG_OK);
    bytes = (unsigned char *)&one;
    for (uint32_t i = size; i < size + LATER; i += 5) {
        fill(_i, &one);
        one.is.size = size + LATER;
        bytes[i] = 1;
        ck_assert_int_eq(hand_over(_i, &rig, &one), _i == 4 ? NPLUG_ERR_ARGUMENT : NPLUG_ERR_SIZE);
    }
    fill(_i, &one);
    one.is.size = size - 4;
    ck_assert_int_ne(hand_over(_i, &rig, &one), NPLUG_OK);
    rig_close(&rig);
}

/* --- rows of tables --------------------------------------------------------------------------- */

#define LATER_ROW(type)                                                                            \
    struct {                                                                                       \
        type row;                                                                                  \
        unsigned char more[LATER];                                                                 \
    }

static uint64_t play(const nplug_game *game)
{
    uint64_t digest;
    test_rig rig;

    rig_open(&rig, game, NULL);
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    nplug_sim_press(rig.sim, MS, "keys", "KeyA", 30 * MS);
    nplug_sim_press(rig.sim, 9 * MS, "keys", "KeyL", 30 * MS);
    rig_step(&rig, 20 * MS);
    digest = nplug_digest(rig.nest) ^ nplug_game_digest(rig.nest);
    ck_assert_uint_eq(nplug_presses(rig.nest, NPLUG_EVERYONE, 1), 1);
    rig_close(&rig);
    return digest;
}

/* Rows that are longer than ours are the same game. */
TEST(longer_rows_are_the_same_game)
{
    static const nplug_action_def actions[] = {{"pull", NPLUG_ACTION_LEVEL, "key:KeyA dead=0.2", 0},
                                               {"call", NPLUG_ACTION_BUTTON, "key:KeyL", 1}};
    static const nplug_layer_def layers[] = {{"play", 0, true}, {"talk", 1, true}};
    static const nplug_action_policy policies[] = {{.action = 0, .merge = NPLUG_MERGE_LATEST},
                                                   {.action = 1, .stays = true}};
    static const nplug_part_def parts[] = {{"left", "KeyA"}, {"right", "KeyL"}};
    static LATER_ROW(nplug_action_def) more_actions[2];
    static LATER_ROW(nplug_layer_def) more_layers[2];
    static LATER_ROW(nplug_action_policy) more_policies[2];
    static LATER_ROW(nplug_part_def) more_parts[2];
    nplug_game game = nplug_game_for_one("rows", actions, 2), longer;

    game.layers = layers;
    game.policies = policies;
    game.parts = parts;
    game.layer_count = game.policy_count = game.part_count = 2;
    longer = game;
    for (int i = 0; i < 2; i++) {
        memset(&more_actions[i], 0x77, sizeof more_actions[i]);
        memset(&more_layers[i], 0x77, sizeof more_layers[i]);
        memset(&more_policies[i], 0x77, sizeof more_policies[i]);
        memset(&more_parts[i], 0x77, sizeof more_parts[i]);
        more_actions[i].row = actions[i];
        more_layers[i].row = layers[i];
        more_policies[i].row = policies[i];
        more_parts[i].row = parts[i];
    }
    longer.actions = &more_actions[0].row;
    longer.layers = &more_layers[0].row;
    longer.policies = &more_policies[0].row;
    longer.parts = &more_parts[0].row;
    longer.action_size = sizeof *more_actions;
    longer.layer_size = sizeof *more_layers;
    longer.policy_size = sizeof *more_policies;
    longer.part_size = sizeof *more_parts;
    ck_assert_uint_eq(play(&game), play(&longer));
    longer.layer_size = 4;
    ck_assert_int_eq(nplug_start_bare(&longer, NULL, &(nplug_nest *){NULL}), NPLUG_ERR_SIZE);
}

/* Sheets of a later version, with longer rows, are the same sheets. */
TEST(longer_sheets_are_the_same_sheets)
{
    static const nplug_rule rule = {.vendor = 0x77};
    static const nplug_wire wire = {.control = NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_SOUTH),
                                    .code = 3};
    static LATER_ROW(nplug_rule) rules[2];
    static LATER_ROW(nplug_wire) wires[2];
    static LATER_ROW(nplug_print) prints[2];
    static LATER_ROW(nplug_sheet) sheets[2];
    uint64_t digest[2];

    for (int way = 0; way < 2; way++) {
        nplug_sheet plain[2];
        test_rig rig;
        for (int i = 0; i < 2; i++) {
            nplug_sheet sheet = {.size = sizeof sheet,
                                 .name = "own",
                                 .family = "",
                                 .kind = NPLUG_KIND_PAD,
                                 .rules = &rules[0].row,
                                 .wires = &wires[0].row,
                                 .prints = &prints[0].row,
                                 .rule_count = 2,
                                 .wire_count = 2,
                                 .print_count = 2,
                                 .rule_size = sizeof rules[0],
                                 .wire_size = sizeof wires[0],
                                 .print_size = sizeof prints[0]};
            memset(&rules[i], 0x77, sizeof rules[i]);
            memset(&wires[i], 0x77, sizeof wires[i]);
            memset(&prints[i], 0x77, sizeof prints[i]);
            rules[i].row = rule;
            rules[i].row.product = (uint16_t)(i + 1);
            wires[i].row = wire;
            wires[i].row.control = (nplug_control)(wire.control + i);
            prints[i].row = (nplug_print){wire.control, i ? "B" : "A"};
            memset(&sheets[i], 0, sizeof sheets[i]);
            plain[i] = sheet;
            sheets[i].row = sheet;
            sheets[i].row.size = sizeof sheets[0];
        }
        for (int i = 0; i < 2; i++) /* the second sheet is of another vendor */
            plain[i].rule_count = sheets[i].row.rule_count = i ? 0 : 2;
        rig_open(&rig, NULL, NULL);
        ck_assert_int_eq(nplug_add_sheets(rig.nest, way ? &sheets[0].row : plain, 2), NPLUG_OK);
        digest[way] = nplug_given_digest(rig.nest);
        rig_close(&rig);
    }
    ck_assert_uint_eq(digest[0], digest[1]);
    sheets[1].row.size = sizeof sheets[0] - 4; /* all have the same size */
    {
        test_rig rig;
        rig_open(&rig, NULL, NULL);
        ck_assert_int_eq(nplug_add_sheets(rig.nest, &sheets[0].row, 2), NPLUG_ERR_SIZE);
        rig_close(&rig);
    }
}
