/* Devices: handles, units of several nodes, recognition, limits. */
#include "support.h"
#include <string.h>

static nplug_device_facts look(const test_rig *rig, nplug_device device)
{
    NPLUG_SIZED(nplug_device_facts, info);

    ck_assert_int_eq(nplug_device_info(rig->nest, device, &info), NPLUG_OK);
    return info;
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
