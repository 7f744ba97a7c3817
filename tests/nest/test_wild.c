/* Wild input: whatever ports say and games ask, the nest stays consistent, and what it did replays.
 */
#include "core/nest/nest.h"
#include "ledger.h"
#include <stdlib.h>
#include <string.h>

#define RECORDS 60000

/* Two nests hear the same: one records, and takes no quick way therefore; the other does. */
typedef struct wild {
    test_rig rig, quick;
    hand_port port, quick_port;
    nplug_time now;
    nplug_record *records;
    size_t record_count;
    uint64_t digest[600];
    uint64_t released[3][12]; /* by player, then action */
    bool table;               /* its fourth device is a touch table, and the game has zones */
} wild;

/* The harbour's actions, and all that may go wrong between them. */
static const nplug_layer_def layers[] = {
    {"helm", 0, true}, {"deck", 5, false}, {"bridge", 5, true}};
static const nplug_action_policy rules[] = {
    {0, NPLUG_MERGE_LATEST, NPLUG_OPPOSITE_LATEST, 0, NULL, 0, 0, false},
    {1, NPLUG_MERGE_ADDED, NPLUG_OPPOSITE_FIRST, 0, NULL, 0, 0, false},
    {6, NPLUG_MERGE_STRONGEST, NPLUG_OPPOSITE_NEUTRAL, 1, NULL, 0, 0, false},
    {7, NPLUG_MERGE_STRONGEST, NPLUG_OPPOSITE_NEUTRAL, 1, NULL, 0, 0, false}};
static const nplug_action_def wild_actions[12] = {
    {"steer", NPLUG_ACTION_VECTOR,
     "pad:stick-left | keys:KeyW,KeyS,KeyA,KeyD | mouse:move scale=0.1", 0},
    {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right | key:Space rise=2 fall=3", 0},
    {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyH | mouse:left", 0},
    {"winch", NPLUG_ACTION_BUTTON, "pad:west hold=30 | pad:trigger-left | key:KeyE", 1},
    {"look", NPLUG_ACTION_MOTION, "mouse:move | pad:stick-right", 0},
    {"menu", NPLUG_ACTION_BUTTON, "pad:start | key:Escape", 2},
    {"lamp", NPLUG_ACTION_BUTTON, "pad:south tap=40 | key:KeyH tap=20", 0},
    {"flare", NPLUG_ACTION_BUTTON, "pad:south double-tap=40 | pad:north taps=3:40", 0},
    {"anchor", NPLUG_ACTION_BUTTON,
     "pad:shoulder-left+pad:south | key:ShiftLeft/ShiftRight+key:KeyH", 0},
    {"rope", NPLUG_ACTION_BUTTON, "pad:stick-left.up repeat=20:10 | pad:south on-release observe",
     1},
    {"trim", NPLUG_ACTION_VECTOR,
     "pad:shoulder-left+pad:stick-left | key:ShiftLeft+keys:KeyW,KeyS,KeyA,KeyD", 2},
    {"bell", NPLUG_ACTION_BUTTON, "pad:east kind=pad | pad:south family=quay-letters", 2},
};

static const nplug_part_def parts[] = {{"left", "KeyW,KeyS,KeyA,KeyD"}, {"right", "KeyH,Space"}};

/* What the actions above hear of a touch table, in two parts of it and two layers. */
static const nplug_zone_def wild_zones[] = {
    {.name = "helm",
     .as = "pad:stick-left",
     .kind = NPLUG_ZONE_STICK,
     .part = 1,
     .flags = NPLUG_ZONE_FLAG_FOLLOWS,
     .width = 0.4f,
     .height = 0.6f,
     .reach = 0.1f},
    {.name = "keys",
     .as = "key:KeyW,key:KeyS,key:KeyA,key:KeyD",
     .kind = NPLUG_ZONE_DPAD,
     .part = 2,
     .corner = NPLUG_CORNER_RIGHT,
     .flags = NPLUG_ZONE_FLAG_LANDS,
     .width = 0.3f,
     .height = 0.5f},
    {.name = "deck", .as = "pad:west", .layer = 1, .x = 0.2f, .width = 0.4f, .height = 0.4f},
    {.name = "horn",
     .as = "pad:south",
     .corner = NPLUG_CORNER_MIDDLE,
     .flags = NPLUG_ZONE_FLAG_ROUND,
     .width = 0.5f,
     .height = 0.5f},
    {.name = "gas",
     .as = "pad:trigger-right",
     .kind = NPLUG_ZONE_SLIDER,
     .corner = NPLUG_CORNER_BOTTOM_LEFT,
     .width = 0.1f,
     .height = 0.5f},
    {.name = "chart",
     .as = "mouse:move",
     .kind = NPLUG_ZONE_AREA,
     .priority = -1,
     .width = 1.0f,
     .height = 1.0f},
};

static nplug_game wild_game(bool table)
{
    nplug_game game = nplug_game_for("wild", wild_actions, COUNT_OF(wild_actions), 2);

    game.layers = layers;
    game.layer_count = COUNT_OF(layers);
    game.policies = rules;
    game.policy_count = COUNT_OF(rules);
    game.parts = parts;
    game.part_count = COUNT_OF(parts);
    game.leave = "bell";
    game.seat_wait_ms = 300;
    game.wobble_ms = 40;
    game.zones = table ? wild_zones : NULL;
    game.zone_count = table ? COUNT_OF(wild_zones) : 0;
    return game;
}

static uint32_t below(uint32_t n)
{
    return (uint32_t)rand() % n;
}

/* A report that may be anything at all; every second one is nearly sensible. */
static nplug_report any_report(const wild *w)
{
    nplug_report report;

    for (size_t i = 0; i < sizeof report; i++)
        ((unsigned char *)&report)[i] = (unsigned char)below(256);
    report.time = w->now + below(40000);
    if (below(10) == 0) report.time -= below(30000) < w->now ? below(30000) : 0;
    report.device = below(4);
    if (below(200) == 0) report.device = below(1u << 31);
    report.kind = (uint8_t)(below(8) ? NPLUG_REPORT_VALUE : below(14));
    report.flags = (uint8_t)(below(4) ? 0 : below(4));
    report.signal = (uint16_t)below(22);
    if (report.kind == NPLUG_REPORT_VALUE && below(2)) report.data.value = (int32_t)below(2);
    if (report.kind == NPLUG_REPORT_ARRIVE) report.data.arrive.signals = (uint16_t)below(40);
    return report;
}

static void any_command(wild *w)
{
    static const char *const texts[] = {
        "pad:north | key:KeyH", "pad:shoulder-left+pad:west taps=2:30", NULL, "",
        "pad:stick-left.up rise=2 fall=2 | pad:confirm repeat=9:9 | key-label:q"};
    static const char *const comforts[] = {"toggle", "lasts=9 again=9 dead=0.2",
                                           "sticky slower=0.5 swap-sticks", ""};
    nplug_pick pick = {.size = sizeof pick, .player = NPLUG_EVERYONE, .wait_ms = 1 + below(60)};
    nplug_device device = nplug_device_at(w->rig.nest, below(4));
    uint32_t a = below(4), b = below(5), c = below(2);
    nplug_following following = nplug_following_default();

    switch (below(15)) {
    case 0:
        nplug_claim(w->rig.nest, device, below(4));
        break;
    case 1:
        nplug_unclaim(w->rig.nest, device);
        break;
    case 2:
        nplug_leave(w->rig.nest, below(4));
        break;
    case 3:
        nplug_switch_layer(w->rig.nest, a ? a : NPLUG_EVERYONE, b % 3, c);
        break;
    case 4:
        nplug_rumble(w->rig.nest, below(20000), 0.5f, 0.5f, 10);
        break;
    case 6:
        nplug_bind(w->rig.nest, a % 3 ? a % 3 : NPLUG_EVERYONE, below(12), texts[b]);
        break;
    case 7:
        nplug_set_comfort(w->rig.nest, 1 + a % 2, c ? b + 4 * (a / 2) : NPLUG_EVERY_ACTION,
                          comforts[below(4)]);
        break;
    case 8:
        nplug_mute(w->rig.nest, c ? 1u << a : 0);
        break;
    case 9:
        pick.takes = below(2);
        nplug_start_pick(w->rig.nest, &pick);
        break;
    case 10:
        nplug_swap(w->rig.nest, a, b % 4);
        break;
    case 11:
        nplug_claim_part(w->rig.nest, device, a, b % 4);
        break;
    case 12:
        nplug_share(w->rig.nest, device, below(4));
        break;
    case 13:
        nplug_unclaim_for(w->rig.nest, device, below(4));
        break;
    case 14:
        following.only = below(2);
        following.pin = below(3) ? 0 : device;
        following.ignored = below(4) ? 0 : 1u << below(4);
        following.dwell_ms = below(200);
        following.family = below(2) ? "numbers" : NULL;
        nplug_follow(w->rig.nest, below(3), &following);
        break;
    default:
        nplug_claim(w->rig.nest, below(20000), 1);
        break;
    }
}

/* One hears them one by one, the other at once; but where the ring may fill up: then it matters. */
static void push_both(wild *w, const nplug_report *reports, size_t count)
{
    size_t piece = nplug_ring_room(w->port.ring) > 200 ? count : 1;

    for (size_t i = 0; i < count; i++)
        nplug_push(w->port.ring, &reports[i], 1);
    for (size_t i = 0; i < count; i += piece)
        nplug_push(w->quick_port.ring, &reports[i], piece);
}

/* What one of three fingers is and where, whole or in part: a number may be used again at once, or
 * another take its place, without an end. */
static void push_finger(wild *w)
{
    nplug_report reports[3], *to = reports;
    uint16_t first = (uint16_t)(3 * below(3));
    nplug_time time = w->now + below(40000);

    if (below(3) == 0)
        *to++ = value_report(time, 3, first, (int32_t)below(4) - 1, NPLUG_REPORT_FLAG_MORE);
    if (below(8))
        *to++ =
            value_report(time, 3, first + 1u, (int32_t)below(2400) - 240, NPLUG_REPORT_FLAG_MORE);
    if (to == reports || below(8))
        *to++ =
            value_report(time, 3, first + 2u, (int32_t)below(1400) - 140, NPLUG_REPORT_FLAG_MORE);
    to[-1].flags = 0;
    push_both(w, reports, (size_t)(to - reports));
}

/* How large the table is said to be: a phone's length to 6 m, or not known. */
static void resize_table(wild *w)
{
    NPLUG_SIZED(nplug_surface, surface);

    surface.width_mm = below(3) ? 1.0f + (float)below(200) : 0.0f;
    surface.height_mm = below(3) ? 1.0f + (float)below(5999) : 0.0f;
    surface.left = (float)below(5) * 0.1f;
    for (uint32_t i = 0; i < nplug_device_count(w->rig.nest); i++)
        nplug_set_surface(w->rig.nest, nplug_device_at(w->rig.nest, i), &surface);
}

static void push_wild(wild *w)
{
    nplug_report reports[12], last = value_report(w->now, 0, 0, 0, 0);
    const char *serial, *unit, *model;
    uint32_t device, count = below(12);

    for (uint32_t i = 0; i < count; i++)
        reports[i] = any_report(w);
    push_both(w, reports, count);
    for (uint32_t i = w->table ? below(8) : 0; i > 0; i--)
        push_finger(w);
    if (below(30)) return;
    push_both(w, &last, 1); /* ends a group that is open yet */
    if (nplug_ring_room(w->port.ring) <= 60) return;
    device = below(4);
    serial = below(2) ? "W-1" : NULL;
    unit = below(3) ? NULL : "unit";
    model = w->table && device == 3 ? "tern" : "heron";
    push_model(w->port.ring, w->now, device, model, serial, unit);
    push_model(w->quick_port.ring, w->now, device, model, serial, unit);
}

/* What one nest is asked, the other is. */
static void command_both(wild *w)
{
    const np_queue *posted = &w->rig.nest->posted;
    uint32_t before = posted->count;

    any_command(w);
    if (w->table && below(4) == 0) resize_table(w);
    for (uint32_t i = before; i < posted->count; i++)
        nplug_post(w->quick.nest, &posted->list[(posted->first + i) % posted->size]);
}

/* What must hold after every step. */
static void check_nest(wild *w)
{
    const nplug_nest *nest = w->rig.nest;
    NPLUG_SIZED(nplug_device_facts, info);
    uint32_t heard = 0;

    ck_assert_uint_le(nplug_device_count(nest), nest->limits.devices);
    for (uint32_t i = 0; i < nplug_device_count(nest); i++) {
        ck_assert_int_eq(nplug_device_info(nest, nplug_device_at(nest, i), &info), NPLUG_OK);
        ck_assert(info.present);
        heard |= info.players ? info.players << 1 : 1u;
        for (uint32_t part = 1; info.kind == NPLUG_KIND_TOUCH && part <= 2; part++)
            heard |= !nplug_part_players(nest, info.device, part); /* that part is nobody's yet */
    }
    for (uint32_t p = 0; p <= 2; p++)
        for (uint32_t a = 0; a < COUNT_OF(wild_actions); a++) {
            const np_action *state = np_action_of(&nest->action.actions, p, a);
            if (state->step == (uint32_t)nest->action.step) w->released[p][a] += state->releases_in;
            ck_assert_uint_eq(state->presses - w->released[p][a], state->held != 0);
            ck_assert(state->held == 0 || (heard & (1u << p))); /* nobody absent holds anything */
            ck_assert(state->value.x == state->value.x && state->value.y == state->value.y);
            ck_assert(wild_actions[a].kind == NPLUG_ACTION_MOTION ||
                      (state->value.x <= 1.0f && state->value.x >= -1.0f));
        }
}

static void run_wild(wild *w, unsigned steps)
{
    for (unsigned step = 0; step < steps; step++) {
        nplug_result result;
        push_wild(w);
        if (below(5) == 0) command_both(w);
        result = nplug_step(w->rig.nest, w->now);
        ck_assert(result == NPLUG_OK || result == NPLUG_AGAIN);
        ck_assert_int_eq(nplug_step(w->quick.nest, w->now), result);
        check_nest(w);
        w->digest[step] = nplug_digest(w->rig.nest);
        ledger_note(w->quick.nest);
        ck_assert_msg(nplug_digest(w->quick.nest) == w->digest[step], "the quick way, step %u",
                      step);
        w->record_count += nplug_take_records(w->rig.nest, w->records + w->record_count,
                                              RECORDS - w->record_count);
        w->now += below(30000);
    }
    ck_assert_uint_lt(w->record_count, RECORDS);
    ck_assert_uint_eq(counts_of(w->rig.nest).records_dropped, 0);
}

static void open_wild(wild *w, bool table)
{
    nplug_game game = wild_game(table);
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits = nplug_limits_default();

    memset(w, 0, sizeof *w);
    w->table = table;
    limits.devices = 5;
    limits.signals = table ? 200 : 150;
    limits.controls = table ? 100 : 60;
    limits.contacts = 2;
    limits.zones = COUNT_OF(wild_zones);
    limits.events = 40;
    limits.ring_slots = 256;
    limits.records = 4096;
    setup.limits = &limits;
    rig_open_setup(&w->rig, &game, setup);
    ck_assert_int_eq(nplug_attach(w->rig.nest, &hand_table, &w->port), NPLUG_OK);
    limits.records = 0;
    rig_open_setup(&w->quick, &game, setup);
    ck_assert_int_eq(nplug_attach(w->quick.nest, &hand_table, &w->quick_port), NPLUG_OK);
    w->records = (nplug_record *)calloc(RECORDS, sizeof *w->records);
    w->now = 1000000;
    if (!table) return;
    push_model(w->port.ring, w->now, 3, "tern", NULL, NULL);
    push_model(w->quick_port.ring, w->now, 3, "tern", NULL, NULL);
}

static void replay_wild(const wild *w, unsigned steps, uint32_t records)
{
    nplug_game game = wild_game(w->table);
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits = nplug_limits_default();
    nplug_command commands[64];
    nplug_replay replay;
    test_rig rig;
    size_t count;

    limits = limits_of(w->rig.nest);
    limits.ring_slots = 4096;
    limits.records = records;
    setup.limits = &limits;
    rig_open_setup(&rig, &game, setup);
    nplug_replay_open(&replay, w->records, w->record_count);
    ck_assert_int_eq(nplug_replay_attach(&replay, rig.nest), NPLUG_OK);
    for (unsigned step = 0; step < steps; step++) {
        nplug_time now;
        ck_assert_int_eq(nplug_replay_next(&replay, commands, COUNT_OF(commands), &count, &now),
                         NPLUG_OK);
        for (size_t i = 0; i < count; i++)
            nplug_post(rig.nest, &commands[i]);
        nplug_step(rig.nest, now);
        ck_assert_msg(nplug_digest(rig.nest) == w->digest[step], "step %u", step);
    }
    rig_close(&rig);
}

/* NPLUG_WILD=N: so many seeds, where each is slow. */
static int wild_seeds(void)
{
    const char *seeds = getenv("NPLUG_WILD");

    return seeds ? atoi(seeds) : 40;
}

TESTS(wild_input_leaves_the_nest_consistent_and_replays, wild_seeds())
{
    wild w;

    srand((unsigned)_i * 31 + 7);
    open_wild(&w, _i % 2 == 1);
    ledger_begin();
    run_wild(&w, 600);
    ledger_end("wild", (uint32_t)_i, 10);
    ck_assert_uint_gt(counts_of(w.rig.nest).reports, 1000);
    ck_assert(!w.table || w.rig.nest->device.contacts.ids > 0);
    replay_wild(&w, 600, 0);
    replay_wild(&w, 600, 4096);
    free(w.records);
    rig_close(&w.rig);
    rig_close(&w.quick);
}

/* --- the small rooms against plain models --------------------------------------------------- */

TESTS(timers_come_in_order_of_time_and_of_setting, 5)
{
    struct {
        nplug_time due;
        uint32_t b;
    } model[64];
    np_timer space[64];
    np_timers timers = {space, 64, 0, 0};
    uint32_t count = 0, next = 0, earliest;

    srand((unsigned)_i);
    for (unsigned round = 0; round < 2000; round++) {
        if (below(2) && count < 64) {
            model[count].due = below(20);
            model[count].b = next;
            ck_assert(np_timers_set(&timers, model[count++].due, NP_TIMER_HOLD, 1, next++));
        } else if (count && below(4) == 0) {
            uint32_t gone = below(count);
            np_timers_cancel(&timers, NP_TIMER_HOLD, 1, model[gone].b);
            memmove(&model[gone], &model[gone + 1], (--count - gone) * sizeof *model);
        } else if (count) {
            earliest = 0;
            for (uint32_t i = 1; i < count; i++)
                if (model[i].due < model[earliest].due) earliest = i;
            ck_assert_uint_eq(np_timers_next(&timers), model[earliest].due);
            ck_assert_uint_eq(np_timers_take(&timers).b, model[earliest].b);
            memmove(&model[earliest], &model[earliest + 1], (--count - earliest) * sizeof *model);
        }
        ck_assert_uint_eq(timers.count, count);
    }
    for (; count < 64; count++)
        np_timers_set(&timers, 1, NP_TIMER_HOLD, 2, 0);
    ck_assert(!np_timers_set(&timers, 1, NP_TIMER_HOLD, 2, 0));
}

TESTS(runs_never_overlap, 5)
{
    uint8_t used[13] = {0};
    np_span span = {used, 100};
    struct {
        int32_t first;
        uint32_t count;
    } runs[40] = {{0, 0}};

    srand((unsigned)_i);
    for (unsigned round = 0; round < 3000; round++) {
        unsigned at = below(40), taken = 0;
        if (runs[at].count) {
            np_span_give(&span, (uint32_t)runs[at].first, runs[at].count);
            runs[at].count = 0;
            continue;
        }
        runs[at].first = np_span_take(&span, 1 + below(9));
        if (runs[at].first < 0) continue;
        for (unsigned i = 0; i < 100; i++)
            taken += (used[i / 8] >> (i % 8)) & 1u;
        for (unsigned i = 0; i < 40; i++)
            taken -= i == at ? 0 : runs[i].count;
        runs[at].count = taken; /* what was not taken before */
        ck_assert(taken >= 1 && taken <= 9);
        for (unsigned i = 0; i < 40; i++)
            ck_assert(i == at || runs[i].count == 0 ||
                      runs[i].first + (int32_t)runs[i].count <= runs[at].first ||
                      runs[at].first + (int32_t)runs[at].count <= runs[i].first);
    }
}

/* The ring gives out what was pushed, in order, group by group, whatever the pace. */
TESTS(a_ring_keeps_groups_whole_and_in_order, 5)
{
    static unsigned char block[64 * 64];
    nplug_ring ring = {0};
    np_arena arena = {block, 0};
    int32_t pushed = 0, taken = 0;

    srand((unsigned)_i);
    np_ring_layout(&ring, &arena, 64);
    for (unsigned round = 0; round < 5000; round++) {
        uint32_t group = 1 + below(6), waiting;
        if (below(2) && nplug_ring_room(&ring) > 24) {
            for (uint32_t i = 0; i < group; i++) {
                nplug_report report = value_report(round, 3, 0, pushed++, i + 1 < group);
                ck_assert_int_eq(nplug_push(&ring, &report, 1), NPLUG_OK);
            }
        }
        waiting = np_ring_waiting(&ring);
        for (uint32_t i = 0; below(3) && i < waiting; i++, ring.read++)
            ck_assert_int_eq(np_ring_at(&ring, 0)->data.value, taken++);
        np_ring_release(&ring);
    }
    ck_assert_int_gt(taken, 1000);
}
