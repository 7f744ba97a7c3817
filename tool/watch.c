#include "describe.h"
#include "hardware.h"
#include "view.h"
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

/* What was last printed of one control or signal. */
typedef struct seen {
    nplug_device device;
    uint32_t index;
    nplug_vec2 value;
    int32_t raw;
} seen;

typedef struct watcher {
    hardware hw;
    int json, raw, pace, lines;
    seen *list;
    size_t count, room;
} watcher;

/* The place of a thing in the list, made where it is new; NULL where memory ran out. */
static seen *seen_of(watcher *watch, nplug_device device, uint32_t index)
{
    for (size_t i = 0; i < watch->count; i++)
        if (watch->list[i].device == device && watch->list[i].index == index)
            return &watch->list[i];
    if (watch->count == watch->room) {
        size_t room = watch->room ? 2 * watch->room : 256;
        seen *larger = (seen *)realloc(watch->list, room * sizeof *larger);
        if (!larger) return NULL;
        watch->list = larger;
        watch->room = room;
    }
    watch->list[watch->count] = (seen){device, index, {0.0f, 0.0f}, 0};
    return &watch->list[watch->count++];
}

static void print_time(nplug_time time)
{
    printf("%4llu.%06llu  ", (unsigned long long)(time / 1000000),
           (unsigned long long)(time % 1000000));
}

/* --- events --------------------------------------------------------------------------------- */

static uint32_t components_of(const nplug_nest *nest, const nplug_event *event)
{
    NPLUG_SIZED(nplug_action_facts, facts);
    nplug_action_info(nest, NPLUG_NOBODY, event->action, &facts);
    return facts.kind == NPLUG_ACTION_VECTOR || facts.kind == NPLUG_ACTION_MOTION ? 2 : 1;
}

/* What may be said of an event, in the words of each way to print it. */
static const struct {
    uint16_t flag;
    const char *id, *words;
} flags[] = {{NPLUG_EVENT_FLAG_CANCELLED, "cancelled", "cancelled"},
             {NPLUG_EVENT_FLAG_RETURNED, "returned", "it came back"},
             {NPLUG_EVENT_FLAG_LATE, "late", "too late"},
             {NPLUG_EVENT_FLAG_TAKEN_OVER, "taken-over", "in place of the one that went"},
             {NPLUG_EVENT_FLAG_SAME_PROMPTS, "same-prompts", "same prompts"},
             {NPLUG_EVENT_FLAG_LOW, "low", "low"}};

static json_t *flags_json(const nplug_event *event)
{
    json_t *list = json_array();

    for (size_t i = 0; i < sizeof flags / sizeof *flags; i++)
        if (event->flags & flags[i].flag) json_array_append_new(list, json_string(flags[i].id));
    return list;
}

static void add_number(json_t *line, const char *name, uint64_t number)
{
    if (number) json_object_set_new(line, name, json_integer((json_int_t)number));
}

/* What only some kinds of event have. */
static void add_particulars(json_t *line, const nplug_event *event)
{
    add_number(line, "press_count", event->press_count);
    add_number(line, "other_device", event->other_device);
    add_number(line, "other_player", event->other_player);
    add_number(line, "part", event->part);
    add_number(line, "left_out", event->left_out);
    if (event->kind == NPLUG_EVENT_CLOCKS)
        json_object_set_new(line, "port", json_integer(event->port));
    if (event->kind == NPLUG_EVENT_LIMIT)
        json_object_set_new(line, "limit", json_string(nplug_limit_name(event->limit)));
    if (event->kind == NPLUG_EVENT_BATTERY)
        json_object_set_new(line, "battery_percent", json_integer(event->battery_percent));
}

static json_t *event_json(const nplug_nest *nest, const nplug_event *event)
{
    char control[48] = "", id[16];
    json_t *line =
        json_pack("{s:I, s:s, s:s?, s:i, s:o}", "t", (json_int_t)event->time, "event",
                  nplug_event_name(event->kind), "device", describe_id(event->device, id), "player",
                  (int)event->player, "flags", flags_json(event));
    const char *action = nplug_action_name(nest, event->action);

    if (event->kind >= NPLUG_EVENT_PRESS && event->kind <= NPLUG_EVENT_VALUE) {
        json_object_set_new(line, "action", json_string(action));
        json_object_set_new(line, "value",
                            describe_value_json(event->value, components_of(nest, event)));
    }
    if (event->control) {
        nplug_control_name(event->control, control, sizeof control);
        json_object_set_new(line, "control", json_string(control));
    }
    add_particulars(line, event);
    return line;
}

static void print_event(const nplug_nest *nest, const nplug_event *event)
{
    char name[80] = "", control[48] = "", value[32];
    bool acts = event->kind >= NPLUG_EVENT_PRESS && event->kind <= NPLUG_EVENT_VALUE;

    print_time(event->time);
    if (event->device) hardware_name(nest, event->device, name, sizeof name);
    nplug_control_name(event->control, control, sizeof control);
    printf("%-10s %-26s ", nplug_event_name(event->kind), name);
    if (event->player == NPLUG_EVERYONE)
        printf("everyone  ");
    else if (event->player)
        printf("player %u  ", event->player);
    if (acts) printf("%s ", nplug_action_name(nest, event->action));
    if (event->kind == NPLUG_EVENT_VALUE) {
        describe_value(event->value, components_of(nest, event), value, sizeof value);
        printf("%s ", value);
    }
    if (*control) printf("by %s ", control);
    if (event->kind == NPLUG_EVENT_LIMIT) printf("%s", nplug_limit_name(event->limit));
    if (event->kind == NPLUG_EVENT_SWAP) printf("and player %u", (unsigned)event->other_player);
    if (event->kind == NPLUG_EVENT_BATTERY) printf("%u %% ", (unsigned)event->battery_percent);
    for (size_t i = 0; i < sizeof flags / sizeof *flags; i++)
        if (event->flags & flags[i].flag) printf("(%s)", flags[i].words);
    putchar('\n');
}

static void show_events(watcher *watch)
{
    for (uint32_t i = 0; i < nplug_event_count(watch->hw.nest); i++) {
        const nplug_event *event = nplug_event_at(watch->hw.nest, i);
        if (watch->json)
            describe_print(event_json(watch->hw.nest, event), false);
        else
            print_event(watch->hw.nest, event);
    }
}

/* --- controls and signals ------------------------------------------------------------------- */

static void print_control(const watcher *watch, nplug_device device,
                          const nplug_control_facts *info)
{
    char name[80], control[48], value[32], id[16];

    nplug_control_name(info->control, control, sizeof control);
    if (watch->json) {
        describe_print(json_pack("{s:I, s:s, s:s, s:o}", "t",
                                 (json_int_t)nplug_nest_time(watch->hw.nest), "device",
                                 describe_id(device, id), "control", control, "value",
                                 describe_value_json(info->value, info->components)),
                       false);
        return;
    }
    hardware_name(watch->hw.nest, device, name, sizeof name);
    describe_value(info->value, info->components, value, sizeof value);
    print_time(nplug_nest_time(watch->hw.nest));
    printf("%-10s %-26s %-22s %s%s\n", "control", name, control, value,
           info->spent ? "  (spent)" : "");
}

static void show_controls(watcher *watch, nplug_device device)
{
    NPLUG_SIZED(nplug_control_facts, info);

    for (uint32_t i = 0; nplug_control_info(watch->hw.nest, device, i, &info) == NPLUG_OK; i++) {
        seen *last = seen_of(watch, device, i);
        if (!last || (last->value.x == info.value.x && last->value.y == info.value.y)) continue;
        last->value = info.value;
        print_control(watch, device, &info);
    }
}

static void print_signal(const watcher *watch, nplug_device device, uint32_t index, int32_t raw)
{
    char name[80], id[16];

    if (watch->json) {
        describe_print(json_pack("{s:I, s:s, s:i, s:i}", "t",
                                 (json_int_t)nplug_nest_time(watch->hw.nest), "device",
                                 describe_id(device, id), "signal", (int)index, "raw", (int)raw),
                       false);
        return;
    }
    hardware_name(watch->hw.nest, device, name, sizeof name);
    print_time(nplug_nest_time(watch->hw.nest));
    printf("%-10s %-26s signal %-15u %d\n", "raw", name, index, (int)raw);
}

static void show_signals(watcher *watch, nplug_device device)
{
    NPLUG_SIZED(nplug_signal_facts, info);

    for (uint32_t i = 0; nplug_signal_info(watch->hw.nest, device, i, &info) == NPLUG_OK; i++) {
        seen *last = seen_of(watch, device, i + 0x10000u);
        if (!last || !info.heard || last->raw == info.raw) continue;
        last->raw = info.raw;
        print_signal(watch, device, i, info.raw);
    }
}

static void sleep_for(nplug_time time)
{
    struct timespec span = {(time_t)(time / 1000000), (long)(time % 1000000) * 1000};
    nanosleep(&span, NULL);
}

static void show_step(watcher *watch)
{
    nplug_nest *nest = watch->hw.nest;

    show_events(watch);
    for (uint32_t i = 0; i < nplug_device_count(nest); i++) {
        if (watch->raw) show_signals(watch, nplug_device_at(nest, i));
        show_controls(watch, nplug_device_at(nest, i));
    }
    if (!watch->pace) return;
    fflush(stdout);
    sleep_for(watch->hw.interval ? watch->hw.interval : 16667);
}

static int run(const tool_command *command, int argc, const char **argv)
{
    watcher watch = {0};
    char *port = NULL;
    int status, rate = 60;
    const char *rest;
    struct poptOption options[] = {
        {"port", 0, POPT_ARG_STRING, &port, 0, HARDWARE_PORT_HELP, "PORT"},
        {"for", 0, POPT_ARG_DOUBLE, &watch.hw.seconds, 0, HARDWARE_FOR_HELP, "SECONDS"},
        {"rate", 0, POPT_ARG_INT, &rate, 0, "Steps a second (default: 60)", "N"},
        {"raw", 0, POPT_ARG_NONE, &watch.raw, 0, "Show raw signals too", NULL},
        {"lines", 0, POPT_ARG_NONE, &watch.lines, 0, "Print lines, on a terminal too", NULL},
        {"pace", 0, POPT_ARG_NONE, &watch.pace, 0, "Play at the trace's own pace, not at once",
         NULL},
        HARDWARE_FILES(watch.hw),
        {"settings", 0, POPT_ARG_STRING, &watch.hw.settings, 0, HARDWARE_SETTINGS_HELP, "FILE"},
        {"json", 0, POPT_ARG_NONE, &watch.json, 0, "Print a JSON object a line", NULL},
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &rest);
    if (status < 0 && (rate < 1 || rate > 100000))
        status = tool_usage(command, "watch: --rate takes 1 to 100000");
    if (status < 0) status = hardware_open(&watch.hw, command, port, (unsigned)rate, 0);
    free(port);
    if (status >= 0) return status;
    if (tool_screen() && !watch.json && !watch.lines && !watch.raw)
        view_run(&watch.hw);
    else
        while (hardware_next(&watch.hw))
            show_step(&watch);
    free(watch.list);
    return hardware_close(&watch.hw);
}

const tool_command tool_watch = {
    "watch",
    "--port PORT [OPTIONS]",
    "Shows devices, controls and actions live: a view on a terminal, else a line each",
    "In the view: up and down choose a device, q ends. Times are in seconds. Controls are "
    "normalised: sticks from -1 to 1, triggers from 0 to 1.",
    TOOL_NEVER,
    run};
