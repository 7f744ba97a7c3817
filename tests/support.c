#include "ledger.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/wait.h>

const nplug_action_def harbour[6] = {
    [STEER] = {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left | keys:KeyW,KeyS,KeyA,KeyD", 0},
    [THROTTLE] = {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right | key:Space", 0},
    [HORN] = {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyH | mouse:left", 0},
    [WINCH] = {"winch", NPLUG_ACTION_BUTTON, "pad:west hold=300 | pad:trigger-left | key:KeyE", 1},
    [LOOK] = {"look", NPLUG_ACTION_MOTION, "mouse:move", 0},
    [MENU] = {"menu", NPLUG_ACTION_BUTTON, "pad:start | key:Escape", 0},
};

nplug_game harbour_for(uint32_t players)
{
    if (players == 1) return nplug_game_for_one("harbour", harbour, COUNT_OF(harbour));
    return nplug_game_for("harbour", harbour, COUNT_OF(harbour), players);
}

static void keep_log(void *user, const char *line)
{
    test_rig *rig = (test_rig *)user;
    size_t used = strlen(rig->log);

    snprintf(rig->log + used, sizeof rig->log - used, "%s\n", line);
}

void rig_open_setup(test_rig *rig, const nplug_game *game, nplug_setup setup)
{
    nplug_sim_limits sim_limits = {32, 4096};
    nplug_limits usual = nplug_limits_default();
    size_t size = nplug_memory_needed(setup.limits ? setup.limits : &usual);
    size_t sim_size = nplug_sim_memory_needed(sim_limits);

    memset(rig, 0, sizeof *rig);
    setup.log = keep_log;
    setup.log_user = rig;
    rig->nest_block = malloc(size);
    rig->sim_block = malloc(sim_size);
    ck_assert_int_eq(nplug_open(&setup, rig->nest_block, size, &rig->nest), NPLUG_OK);
    rig->sim = nplug_sim_open(sim_limits, rig->sim_block, sim_size);
    ck_assert_ptr_nonnull(rig->sim);
    if (game) ck_assert_int_eq(nplug_use_game(rig->nest, game), NPLUG_OK);
    ck_assert_int_eq(nplug_sim_attach(rig->sim, rig->nest), NPLUG_OK);
}

void rig_open(test_rig *rig, const nplug_game *game, const nplug_limits *limits)
{
    nplug_setup setup = nplug_setup_default();

    setup.limits = limits;
    rig_open_setup(rig, game, setup);
}

void rig_close(test_rig *rig)
{
    nplug_close(rig->nest);
    free(rig->nest_block);
    free(rig->sim_block);
}

void rig_play(test_rig *rig, const nplug_move *moves, size_t count)
{
    for (size_t i = 0; i < count; i++)
        ck_assert_int_eq(nplug_sim_move(rig->sim, &moves[i]), NPLUG_OK);
}

void rig_say(test_rig *rig, nplug_time time, const char *on, uint32_t code, int32_t value)
{
    nplug_move move = {.time = time,
                       .kind = NPLUG_MOVE_SIGNAL,
                       .on = on,
                       .space = NPLUG_SPACE_EVDEV,
                       .code = code,
                       .value = value};

    ck_assert_int_eq(nplug_sim_move(rig->sim, &move), NPLUG_OK);
}

void rig_step(test_rig *rig, nplug_time now)
{
    ck_assert_int_eq(nplug_step(rig->nest, now), NPLUG_OK);
    ledger_note(rig->nest);
}

nplug_active_set active_of(const nplug_nest *nest, nplug_player player)
{
    NPLUG_SIZED(nplug_active_set, set);
    ck_assert_int_eq(nplug_active_info(nest, player, &set), NPLUG_OK);
    return set;
}

nplug_counts counts_of(const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_counts, counts);
    ck_assert_int_eq(nplug_nest_counts(nest, &counts), NPLUG_OK);
    return counts;
}

nplug_pick_facts pick_of(const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_pick_facts, facts);
    ck_assert_int_eq(nplug_pick_info(nest, &facts), NPLUG_OK);
    return facts;
}

nplug_limits limits_of(const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_limits, limits);
    ck_assert_int_eq(nplug_nest_limits(nest, &limits), NPLUG_OK);
    return limits;
}

nplug_trace_facts trace_of(const nplug_trace *trace)
{
    NPLUG_SIZED(nplug_trace_facts, facts);
    ck_assert_int_eq(nplug_trace_info(trace, &facts), NPLUG_OK);
    return facts;
}

uint32_t kind_of(const nplug_nest *nest, uint32_t action)
{
    NPLUG_SIZED(nplug_action_facts, facts);
    nplug_action_info(nest, NPLUG_NOBODY, action, &facts);
    return facts.kind;
}

uint64_t rig_number(const nplug_event *event)
{
    return event->press_count | event->other_device | event->other_player | event->part |
           event->port | event->limit | event->way | event->battery_percent;
}

static void add_event(const test_rig *rig, const nplug_event *event, char *text, size_t size)
{
    bool acts = event->kind == NPLUG_EVENT_PRESS || event->kind == NPLUG_EVENT_RELEASE;
    size_t used = strlen(text);
    char control[32] = "";

    nplug_control_name(event->control, control, sizeof control);
    snprintf(text + used, size - used, "%llu %s device %x player %u %s %s count %llu flags %u\n",
             (unsigned long long)event->time, nplug_event_name(event->kind), event->device,
             event->player, acts ? nplug_action_name(rig->nest, event->action) : "-", control,
             (unsigned long long)rig_number(event), event->flags);
}

void rig_events(const test_rig *rig, char *text, size_t size)
{
    for (uint32_t i = 0; i < nplug_event_count(rig->nest); i++) {
        const nplug_event *event = nplug_event_at(rig->nest, i);
        if (event->kind != NPLUG_EVENT_VALUE) add_event(rig, event, text, size);
    }
}

bool rig_saw(const test_rig *rig, nplug_event_kind kind, nplug_event *event)
{
    for (uint32_t i = 0; i < nplug_event_count(rig->nest); i++) {
        if (nplug_event_at(rig->nest, i)->kind != (uint32_t)kind) continue;
        if (event) *event = *nplug_event_at(rig->nest, i);
        return true;
    }
    return false;
}

nplug_vec2 rig_control(const test_rig *rig, uint32_t place, const char *control)
{
    return nplug_control_value(rig->nest, nplug_device_at(rig->nest, place),
                               nplug_control_named(control));
}

/* --- a port by hand ------------------------------------------------------------------------- */

static nplug_result hand_start(void *self, nplug_ring *ring)
{
    ((hand_port *)self)->ring = ring;
    return NPLUG_OK;
}

static void hand_pump(void *self, nplug_time now)
{
    hand_port *port = (hand_port *)self;

    (void)now;
    if (port->held_count) nplug_push(port->ring, port->held, port->held_count);
    port->held_count = 0;
}

static void hand_resync(void *self, uint32_t device)
{
    ((hand_port *)self)->resyncs++;
    ((hand_port *)self)->last_resync = device;
}

static void hand_stop(void *self)
{
    ((hand_port *)self)->stops++;
}

const nplug_port hand_table = {sizeof(nplug_port), 0,    "hand",    hand_start, hand_pump,
                               hand_resync,        NULL, hand_stop, NULL};

nplug_report value_report(nplug_time time, uint32_t device, uint16_t signal, int32_t value,
                          uint8_t flags)
{
    nplug_report report = {0};

    report.time = time;
    report.device = device;
    report.signal = signal;
    report.flags = flags;
    report.data.value = value;
    return report;
}

void push_kind(nplug_ring *ring, nplug_time time, uint32_t device, nplug_report_kind kind)
{
    nplug_report report = value_report(time, device, 0, 0, 0);

    report.kind = (uint8_t)kind;
    ck_assert_int_eq(nplug_push(ring, &report, 1), NPLUG_OK);
}

static const nplug_sim_model *model_named(const char *name)
{
    uint32_t count;
    const nplug_sim_model *model = nplug_sim_models(&count), *end = model + count;

    while (model < end && strcmp(model->name, name) != 0)
        model++;
    ck_assert(model < end);
    return model;
}

void push_model(nplug_ring *ring, nplug_time time, uint32_t device, const char *name,
                const char *serial, const char *unit)
{
    const nplug_sim_model *model = model_named(name);
    nplug_report report = value_report(time, device, 0, 0, 0);

    report.kind = NPLUG_REPORT_ARRIVE;
    report.data.arrive.bus = model->bus;
    report.data.arrive.vendor = model->vendor;
    report.data.arrive.product = model->product;
    report.data.arrive.signals = model->signal_count;
    ck_assert_int_eq(nplug_push(ring, &report, 1), NPLUG_OK);
    nplug_push_text(ring, time, device, NPLUG_TEXT_NAME, model->device);
    if (serial) nplug_push_text(ring, time, device, NPLUG_TEXT_SERIAL, serial);
    if (unit) nplug_push_text(ring, time, device, NPLUG_TEXT_UNIT, unit);
    for (uint16_t i = 0; i < model->signal_count; i++) {
        report = value_report(time, device, i, 0, 0);
        report.kind = NPLUG_REPORT_SIGNAL;
        report.data.signal.code = model->signals[i].code;
        report.data.signal.min = model->signals[i].min;
        report.data.signal.max = model->signals[i].max;
        report.data.signal.space = model->signals[i].space;
        report.data.signal.nature = model->signals[i].nature;
        ck_assert_int_eq(nplug_push(ring, &report, 1), NPLUG_OK);
    }
    push_kind(ring, time, device, NPLUG_REPORT_READY);
}

void push_heron(nplug_ring *ring, nplug_time time, uint32_t device, const char *serial,
                const char *unit)
{
    push_model(ring, time, device, "heron", serial, unit);
}

/* --- outside -------------------------------------------------------------------------------- */

int run(const char *command, char *output, size_t size)
{
    char line[4096];
    size_t used = 0;
    FILE *pipe;
    int status;

    snprintf(line, sizeof line, "{ %s ; } 2>&1", command);
    pipe = popen(line, "r");
    ck_assert_ptr_nonnull(pipe);
    while (used + 1 < size) {
        size_t got = fread(output + used, 1, size - used - 1, pipe);
        if (got == 0) break;
        used += got;
    }
    output[used] = 0;
    while (fread(line, 1, sizeof line, pipe) > 0)
        continue;
    status = pclose(pipe);
    return WIFEXITED(status) ? WEXITSTATUS(status) : 128;
}

void check_same(const char *actual, const char *expected, const char *what)
{
    size_t line = 0, same = 0;

    while (actual[same] && actual[same] == expected[same]) {
        if (actual[same] == '\n') line = same + 1;
        same++;
    }
    ck_assert_msg(actual[same] == expected[same], "%s:\n  is       %.150s\n  expected %.150s", what,
                  actual + line, expected + line);
}

void check_golden(const char *actual, const char *path)
{
    const char *golden = getenv("NPLUG_GOLDEN");
    char whole[512], *expected;

    snprintf(whole, sizeof whole, "%s/%s", SOURCE_DIR, path);
    if (golden && strcmp(golden, "write") == 0) {
        FILE *file = fopen(whole, "w");
        fputs(actual, file);
        fclose(file);
    }
    expected = slurp(whole);
    check_same(actual, expected, path);
    free(expected);
}

char *slurp(const char *path)
{
    FILE *file = fopen(path, "rb");
    char *text;
    long size;

    ck_assert_msg(file != NULL, "cannot read %s", path);
    fseek(file, 0, SEEK_END);
    size = ftell(file);
    rewind(file);
    text = (char *)malloc((size_t)size + 1);
    ck_assert_uint_eq(fread(text, 1, (size_t)size, file), (size_t)size);
    text[size] = 0;
    fclose(file);
    return text;
}

void tape_note(test_tape *tape, nplug_nest *nest)
{
    ck_assert_uint_lt(tape->steps, COUNT_OF(tape->digests));
    tape->digests[tape->steps++] = nplug_digest(nest);
    tape->count += nplug_take_records(nest, tape->records + tape->count,
                                      COUNT_OF(tape->records) - tape->count);
}

void tape_check(const test_tape *tape, const nplug_game *game)
{
    static nplug_command commands[64];
    nplug_limits limits = nplug_limits_for(game);
    nplug_setup setup = nplug_setup_default();
    size_t steps = 0, got;
    nplug_replay replay;
    nplug_nest *again;
    nplug_time now;

    limits.records = COUNT_OF(tape->records);
    setup.limits = &limits;
    ck_assert_int_eq(nplug_start_bare(game, &setup, &again), NPLUG_OK);
    nplug_replay_open(&replay, tape->records, tape->count);
    nplug_replay_attach(&replay, again);
    while (nplug_replay_next(&replay, commands, COUNT_OF(commands), &got, &now) == NPLUG_OK) {
        for (size_t c = 0; c < got; c++)
            nplug_post(again, &commands[c]);
        nplug_step(again, now);
        ck_assert_uint_eq(nplug_digest(again), tape->digests[steps++]);
    }
    ck_assert_uint_eq(steps, tape->steps);
    nplug_stop(again);
}
