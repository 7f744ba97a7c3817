/* Devices: handles, units of several nodes, recognition, limits. */
#include "support.h"
#include <string.h>

static nplug_device_facts look(const test_rig *rig, nplug_device device)
{
    NPLUG_SIZED(nplug_device_facts, info);

    ck_assert_int_eq(nplug_device_info(rig->nest, device, &info), NPLUG_OK);
    return info;
}

TEST(every_model_arrives_as_what_it_is)
{
    nplug_game game = harbour_for(1);
    NPLUG_SIZED(nplug_device_facts, info);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 1000, "a", "heron");
    nplug_sim_plug(rig.sim, 2000, "b", "turnstone");
    nplug_sim_plug(rig.sim, 3000, "c", "stint");
    nplug_sim_plug(rig.sim, 4000, "d", "sanderling");
    rig_step(&rig, 10000);
    ck_assert_uint_eq(nplug_device_count(rig.nest), 4);
    info = look(&rig, nplug_device_at(rig.nest, 0));
    ck_assert_str_eq(info.name, "Heron Pad");
    ck_assert_str_eq(info.sheet, "heron");
    ck_assert_str_eq(info.family, "quay-letters");
    ck_assert_int_eq(info.kind, NPLUG_KIND_PAD);
    ck_assert_int_eq(info.matched, NPLUG_MATCHED_NUMBERS);
    ck_assert_uint_eq(info.controls, 19);
    ck_assert_uint_eq(info.players, 1); /* bit 0: player 1 */
    ck_assert_uint_eq(info.last, 1000);
    ck_assert_int_eq(look(&rig, nplug_device_at(rig.nest, 1)).kind, NPLUG_KIND_KEYBOARD);
    ck_assert_int_eq(look(&rig, nplug_device_at(rig.nest, 2)).kind, NPLUG_KIND_MOUSE);
    info = look(&rig, nplug_device_at(rig.nest, 3));
    ck_assert_int_eq(info.matched, NPLUG_MATCHED_NONE);
    ck_assert_uint_eq(info.controls, 0);
    ck_assert_uint_eq(info.signals, 2);
    ck_assert_uint_eq(nplug_device_at(rig.nest, 4), 0);
    rig_close(&rig);
}

TEST(an_unrecognised_device_can_be_read_raw)
{
    nplug_game game = harbour_for(1);
    NPLUG_SIZED(nplug_signal_facts, signal);
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "box", "sanderling");
    nplug_sim_sweep(rig.sim, 1000, "box", "slider", (nplug_vec2){1.0f, 0.0f}, 0);
    rig_step(&rig, 2000);
    ck_assert_int_eq(nplug_signal_info(rig.nest, nplug_device_at(rig.nest, 0), 0, &signal),
                     NPLUG_OK);
    ck_assert_int_eq(signal.raw, 200);
    ck_assert(signal.heard && !signal.read);
    ck_assert_int_eq(nplug_signal_info(rig.nest, nplug_device_at(rig.nest, 0), 2, &signal),
                     NPLUG_ERR_UNKNOWN);
    rig_close(&rig);
}

/* A handle never comes to mean another device, however often places are given away. */
TEST(handles_go_stale_and_are_never_used_again)
{
    nplug_limits limits = nplug_limits_default();
    nplug_device old[40];
    NPLUG_SIZED(nplug_device_facts, info);
    test_rig rig;

    limits.devices = 3;
    rig_open(&rig, NULL, &limits);
    for (unsigned i = 0; i < 40; i++) {
        nplug_sim_plug(rig.sim, i * 10, "pad", "heron");
        rig_step(&rig, i * 10);
        old[i] = nplug_device_at(rig.nest, 0);
        for (unsigned j = 0; j < i; j++)
            ck_assert_uint_ne(old[j], old[i]);
        nplug_sim_unplug(rig.sim, i * 10 + 5, "pad");
        rig_step(&rig, i * 10 + 5);
        info = look(&rig, old[i]); /* gone, but its story can still be told */
        ck_assert(!info.present);
        ck_assert_str_eq(info.name, "Heron Pad");
        ck_assert_int_eq(nplug_claim(rig.nest, old[i], 1), NPLUG_ERR_STALE);
    }
    ck_assert_int_eq(nplug_device_info(rig.nest, old[0], &info), NPLUG_ERR_STALE);
    ck_assert_int_eq(nplug_device_info(rig.nest, 0, &info), NPLUG_ERR_UNKNOWN);
    ck_assert_int_eq(nplug_device_info(rig.nest, 0xffffffffu, &info), NPLUG_ERR_UNKNOWN);
    info.size = 8;
    ck_assert_int_eq(nplug_device_info(rig.nest, old[39], &info), NPLUG_ERR_SIZE);
    rig_close(&rig);
}

/* Each limit in turn is too small for what arrives: an event names it, and the rest goes on. */
TESTS(a_limit_reached_is_an_event, 6)
{
    static const struct {
        size_t offset;
        uint32_t value;
        nplug_limit limit;
    } rows[] = {
        {offsetof(nplug_limits, devices), 1, NPLUG_LIMIT_DEVICES},
        {offsetof(nplug_limits, nodes), 1, NPLUG_LIMIT_NODES},
        {offsetof(nplug_limits, signals), 25, NPLUG_LIMIT_SIGNALS},
        {offsetof(nplug_limits, controls), 25, NPLUG_LIMIT_CONTROLS},
        {offsetof(nplug_limits, links), 3, NPLUG_LIMIT_LINKS},
        {offsetof(nplug_limits, timers), 1, NPLUG_LIMIT_TIMERS},
    };
    nplug_limits limits = nplug_limits_default();
    nplug_game game = harbour_for(2);
    nplug_event event = {0};
    bool named = false;
    test_rig rig;

    memcpy((char *)&limits + rows[_i].offset, &rows[_i].value, sizeof rows[_i].value);
    rig_open(&rig, &game, &limits);
    nplug_switch_layer(rig.nest, NPLUG_EVERYONE, 1, true);
    nplug_sim_plug(rig.sim, 0, "pad-1", "heron");
    nplug_sim_plug(rig.sim, 10, "pad-2", "heron");
    for (nplug_time t = 100; t < 300; t += 100) {
        nplug_sim_press(rig.sim, t, "pad-1", "west", 50);
        nplug_sim_press(rig.sim, t, "pad-2", "west", 50);
    }
    rig_step(&rig, 1000);
    for (uint32_t i = 0; i < nplug_event_count(rig.nest); i++)
        if (nplug_event_at(rig.nest, i)->kind == NPLUG_EVENT_LIMIT) {
            event = *nplug_event_at(rig.nest, i);
            named |= event.limit == (uint8_t)rows[_i].limit;
        }
    ck_assert_msg(named, "limit %s", nplug_limit_name(rows[_i].limit));
    ck_assert_ptr_nonnull(strstr(rig.log, nplug_limit_name(rows[_i].limit)));
    rig_step(&rig, 2000);
    rig_close(&rig);
}

TEST(long_and_broken_names_are_cut_at_a_character)
{
    hand_port port = {0};
    nplug_report report = value_report(0, 1, 0, 0, 0);
    NPLUG_SIZED(nplug_device_facts, info);
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    nplug_attach(rig.nest, &hand_table, &port);
    report.kind = NPLUG_REPORT_ARRIVE;
    nplug_push(port.ring, &report, 1);
    report.kind = NPLUG_REPORT_TEXT;
    for (int i = 0; i < 4; i++) {
        memcpy(report.data.text, "\xc3\xa4\xc3\xa4\xc3\xa4\xc3\xa4\xc3\xa4\xc3\xa4\xc3\xa4\xc3\xa4",
               16);
        nplug_push(port.ring, &report, 1);
    }
    push_kind(port.ring, 0, 1, NPLUG_REPORT_READY);
    rig_step(&rig, 0);
    info = look(&rig, nplug_device_at(rig.nest, 0));
    ck_assert_uint_eq(strlen(info.name), 46);
    rig_close(&rig);
}

TEST(a_name_of_ten_thousand_bytes_is_cut)
{
    hand_port port = {0};
    nplug_report report = value_report(0, 1, 0, 0, 0);
    nplug_limits limits = nplug_limits_default();
    NPLUG_SIZED(nplug_device_facts, info);
    char name[10001];
    test_rig rig;

    limits.ring_slots = 4096;
    rig_open(&rig, NULL, &limits);
    nplug_attach(rig.nest, &hand_table, &port);
    report.kind = NPLUG_REPORT_ARRIVE;
    nplug_push(port.ring, &report, 1);
    for (size_t i = 0; i < sizeof name - 1; i++)
        name[i] = (char)('a' + i % 26);
    name[sizeof name - 1] = 0;
    ck_assert_int_eq(nplug_push_text(port.ring, 0, 1, NPLUG_TEXT_NAME, name), NPLUG_OK);
    push_kind(port.ring, 0, 1, NPLUG_REPORT_READY);
    rig_step(&rig, 0);
    info = look(&rig, nplug_device_at(rig.nest, 0));
    ck_assert_uint_eq(strlen(info.name), NPLUG_NAME_SIZE - 1);
    ck_assert_int_eq(strncmp(info.name, name, NPLUG_NAME_SIZE - 1), 0);
    rig_close(&rig);
}

/* Whatever a device calls itself, its name can be printed: no escape reaches a terminal. */
TEST(a_name_is_always_safe_to_print)
{
    static const struct {
        const char *said, *kept;
    } names[] = {{"plain", "plain"},
                 {"\033[2J\a", "?[2J?"},
                 {"a\xff\xfe"
                  "b",
                  "a??b"},
                 {"\xc3\xa4", "\xc3\xa4"},
                 {"\xc2\x9b"
                  "31m",
                  "??31m"},
                 {"\xed\xa0\x80", "???"},
                 {"\xf0\x9f\x9a\xa2", "\xf0\x9f\x9a\xa2"},
                 {"\xe2\x82", "??"},
                 {"tab\there", "tab?here"},
                 {"\xc0\xaf", "??"},
                 {"", ""}};
    hand_port port = {0};
    test_rig rig;

    rig_open(&rig, NULL, NULL);
    nplug_attach(rig.nest, &hand_table, &port);
    for (uint32_t i = 0; i < COUNT_OF(names); i++) {
        nplug_report report = value_report(0, i, 0, 0, 0);
        report.kind = NPLUG_REPORT_ARRIVE;
        nplug_push(port.ring, &report, 1);
        report.kind = NPLUG_REPORT_TEXT;
        memset(report.data.text, 0, 16);
        memcpy(report.data.text, names[i].said, strlen(names[i].said));
        nplug_push(port.ring, &report, 1);
        push_kind(port.ring, 0, i, NPLUG_REPORT_READY);
        rig_step(&rig, i);
        ck_assert_str_eq(look(&rig, nplug_device_at(rig.nest, i)).name, names[i].kept);
    }
    rig_close(&rig);
}

TEST(key_labels_come_from_the_port)
{
    nplug_game game = harbour_for(1);
    char label[16];
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    rig_step(&rig, 0);
    ck_assert_uint_eq(nplug_key_label(rig.nest, nplug_device_at(rig.nest, 0),
                                      nplug_control_named("key:KeyW"), label, 16),
                      1);
    ck_assert_str_eq(label, "W");
    nplug_key_label(rig.nest, nplug_device_at(rig.nest, 0), nplug_control_named("key:Space"), label,
                    16);
    ck_assert_str_eq(label, "Space");
    ck_assert_uint_eq(nplug_key_label(rig.nest, 0, 0, label, 16), 0);
    rig_close(&rig);
}

TEST(rumble_reaches_the_hardware)
{
    nplug_game game = harbour_for(1);
    nplug_effect effect;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    rig_step(&rig, 0);
    ck_assert_int_eq(nplug_rumble(rig.nest, nplug_device_at(rig.nest, 0), 0.5f, 2.0f, 250),
                     NPLUG_OK);
    ck_assert_uint_eq(nplug_sim_effects(rig.sim, "pad", &effect), 0);
    rig_step(&rig, 1000);
    ck_assert_uint_eq(nplug_sim_effects(rig.sim, "pad", &effect), 1);
    ck_assert_float_eq_tol(effect.strong, 0.5f, 0.0001f);
    ck_assert_float_eq(effect.weak, 1.0f);
    ck_assert_uint_eq(effect.duration_ms, 250);
    ck_assert_int_eq(nplug_show_player(rig.nest, nplug_device_at(rig.nest, 0), 1), NPLUG_OK);
    rig_step(&rig, 2000);
    ck_assert_uint_eq(nplug_sim_effects(rig.sim, "pad", &effect), 2);
    ck_assert_uint_eq(effect.kind, NPLUG_EFFECT_LIGHTS);
    ck_assert_uint_eq(effect.player, 1);
    ck_assert_int_eq(nplug_rumble(rig.nest, 12345, 1.0f, 1.0f, 1), NPLUG_ERR_UNKNOWN);
    rig_close(&rig);
}
