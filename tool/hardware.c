#include "hardware.h"
#include "headset.h"
#include "harbour.h"
#include "labels.h"
#include <signal.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

static void log_line(void *user, const char *line)
{
    (void)user;
    fprintf(stderr, "nestplug: %s\n", line);
}

static int fail(nplug_result result)
{
    fprintf(stderr, "nestplug: %s\n", nplug_result_text(result));
    return TOOL_WRONG;
}

int hardware_check_time(const tool_command *command, const char *option, double seconds)
{
    if (seconds == HARDWARE_NO_TIME || (seconds >= 0.0 && seconds < 1e12)) return -1;
    return tool_usage(command, "%s: %s takes seconds, 0 or more: %g", command->name, option,
                      seconds);
}

static int use_settings(hardware *hw)
{
    nplug_result result;
    nplug_notes notes;

    if (!hw->settings) return -1;
    result = nplug_settings_read(hw->settings, &hw->kept, &notes);
    tool_notes(&notes);
    if (result != NPLUG_OK) return TOOL_WRONG;
    result = nplug_settings_use(hw->kept, hw->nest);
    return result == NPLUG_OK ? -1 : fail(result);
}

/* The sheet that the person gave, if any; it wins over the settings'. */
static int add_sheet(hardware *hw)
{
    nplug_result result;
    nplug_notes notes;

    if (!hw->sheet) return -1;
    result = nplug_sheet_file_read(hw->sheet, &hw->sheet_file, &notes);
    tool_notes(&notes);
    if (result != NPLUG_OK) return TOOL_WRONG;
    result = nplug_add_sheets(hw->nest, nplug_sheet_file_sheet(hw->sheet_file), 1);
    return result == NPLUG_OK ? -1 : fail(result);
}

static int add_model(hardware *hw)
{
    nplug_result result;
    nplug_notes notes;

    if (!hw->model) return -1;
    result = nplug_model_file_read(hw->model, &hw->model_file, &notes);
    tool_notes(&notes);
    if (result != NPLUG_OK) return TOOL_WRONG;
    result = nplug_sim_add_models(hw->sim, nplug_model_file_model(hw->model_file), 1);
    return result == NPLUG_OK ? -1 : fail(result);
}

/* The game that the person gave, or the command, or else the harbour's. */
static int find_game(hardware *hw, nplug_game *game)
{
    nplug_result result;
    nplug_notes notes;

    *game = hw->game ? *hw->game : harbour_game();
    if (!hw->game_path) return -1;
    result = nplug_game_file_read(hw->game_path, &hw->game_file, &notes);
    tool_notes(&notes);
    if (result != NPLUG_OK) return TOOL_WRONG;
    *game = *nplug_game_file_game(hw->game_file);
    return -1;
}

/* Whether the trace was recorded with this game; says what to do where it was not. */
static bool same_game(const hardware *hw, const nplug_game *game)
{
    nplug_limits limits = nplug_limits_for(game);
    nplug_setup setup = nplug_setup_default();
    nplug_nest *nest;
    bool same;

    NPLUG_SIZED(nplug_trace_facts, facts);
    nplug_trace_info(hw->trace, &facts);
    setup.limits = &limits;
    if (nplug_start_bare(game, &setup, &nest) != NPLUG_OK) return true; /* said by the real one */
    same = nplug_game_digest(nest) == facts.game;
    nplug_stop(nest);
    if (!same)
        fprintf(stderr,
                "nestplug: the trace was recorded with another game than %s: give that "
                "game's file to --game\n",
                hw->game_path ? hw->game_path : "the demo's");
    return same;
}

/* With the limits of a trace, or (NULL) those that the game needs and room for so many records. */
static int start_nest(hardware *hw, const nplug_limits *recorded, uint32_t records,
                      bool follow_rest)
{
    nplug_limits limits;
    nplug_game game;
    nplug_setup setup = nplug_setup_default();
    nplug_result result;
    int status = find_game(hw, &game);

    if (status >= 0) return status;
    if (recorded && !hw->game && !hw->any_game && !same_game(hw, &game)) return TOOL_WRONG;
    limits = recorded ? *recorded : nplug_limits_for(&game);
    if (!recorded) limits.records = records;
    setup.limits = &limits;
    setup.follow_rest = follow_rest;
    setup.log = log_line;
    result = nplug_start_bare(&game, &setup, &hw->nest);
    status = result == NPLUG_OK ? use_settings(hw) : fail(result);
    return status < 0 ? add_sheet(hw) : status;
}

/* --- simulated hardware --------------------------------------------------------------------- */

static nplug_time end_of(const nplug_move *moves, size_t count)
{
    nplug_time end = 0;

    for (size_t i = 0; i < count; i++)
        if (moves[i].time + moves[i].span > end) end = moves[i].time + moves[i].span;
    return end;
}

/* What only the sim can find wrong with a trace is said at its place in the file. */
static int load_moves(hardware *hw, const nplug_move *moves, size_t count)
{
    const char *member, *why;
    bool models = false;

    hw->notes.count = 0; /* warnings were printed already */
    for (size_t at = 0; nplug_sim_check(hw->sim, moves, count, &at, &member, &why); at++) {
        nplug_trace_blame(hw->trace, at, member, why, &hw->notes);
        models |= strcmp(member, "model") == 0;
    }
    tool_notes(&hw->notes);
    if (models) {
        fprintf(stderr, "nestplug: of models, ");
        tool_models();
    }
    if (hw->notes.count) return TOOL_WRONG;
    for (size_t i = 0; i < count; i++) {
        nplug_result result = nplug_sim_move(hw->sim, &moves[i]);
        if (result != NPLUG_OK) return fail(result);
    }
    return -1;
}

/* A nest with simulated hardware that has room for so many moves. */
static int start_sim(hardware *hw, unsigned rate, uint32_t records, uint32_t moves)
{
    nplug_sim_limits sim_limits = {32, 64};
    size_t size;
    int status = start_nest(hw, NULL, records, true);

    if (status >= 0) return status;
    sim_limits.moves += moves;
    size = nplug_sim_memory_needed(sim_limits);
    hw->sim = nplug_sim_open(sim_limits, malloc(size), size);
    if (!hw->sim) return fail(NPLUG_ERR_MEMORY);
    status = add_model(hw);
    if (status >= 0) return status;
    nplug_sim_attach(hw->sim, hw->nest);
    hw->rate = rate;
    hw->interval = 1000000 / rate;
    return -1;
}

static int open_sim(hardware *hw, unsigned rate, uint32_t records)
{
    size_t count;
    const nplug_move *moves = nplug_trace_moves(hw->trace, &count);
    int status = start_sim(hw, rate, records, 2 * (uint32_t)count);

    if (status >= 0) return status;
    hw->end = end_of(moves, count) + hw->interval;
    return load_moves(hw, moves, count);
}

static bool next_of_sim(hardware *hw)
{
    if (hw->now > hw->end) return false;
    if (nplug_step(hw->nest, hw->now) != NPLUG_AGAIN)
        hw->now = ++hw->steps * UINT64_C(1000000) / hw->rate;
    return true;
}

static volatile sig_atomic_t interrupted;

static void interrupt(int number)
{
    (void)number;
    interrupted = 1;
}

/* --- hardware that somebody plays ------------------------------------------------------------- */

static int open_live(hardware *hw, unsigned rate, uint32_t records)
{
    int status = start_sim(hw, rate, records, 4096);

    if (status >= 0) return status;
    hw->live = (live *)calloc(1, sizeof *hw->live);
    if (!hw->live) return fail(NPLUG_ERR_MEMORY);
    hw->begun = nplug_now();
    signal(SIGINT, interrupt);
    return -1;
}

/* By the clock; the end is where nothing more comes and all was done. */
static bool next_of_live(hardware *hw)
{
    nplug_time now = nplug_now() - hw->begun;

    if (interrupted || (hw->live->ended && nplug_sim_end(hw->sim) == 0)) return false;
    if (hw->now > now) {
        struct timespec span = {0, (long)(hw->now - now) * 1000};
        nanosleep(&span, NULL);
        now = nplug_now() - hw->begun;
    }
    live_read(hw->live, hw->sim, now);
    nplug_step(hw->nest, now);
    hw->now = now + hw->interval;
    return true;
}

/* --- recorded hardware ---------------------------------------------------------------------- */

static int open_replay(hardware *hw, uint32_t records)
{
    nplug_limits limits = nplug_limits_default();
    const nplug_record *list;
    size_t count;
    int status;

    NPLUG_SIZED(nplug_trace_facts, facts);
    nplug_trace_info(hw->trace, &facts);
    nplug_trace_limits(hw->trace, &limits);
    list = nplug_trace_records(hw->trace, &count);
    limits.records = records;
    limits.ring_slots *= limits.ports > 1 ? 4 : 1;
    if (nplug_memory_needed(&limits) == 0) return fail(NPLUG_ERR_DIFFERS);
    status = start_nest(hw, &limits, records, facts.follow_rest);
    if (status >= 0) return status;
    if (!hw->sheet && !hw->settings && facts.given != nplug_given_digest(hw->nest))
        return fail(NPLUG_ERR_DIFFERS);
    nplug_replay_open(&hw->replay, list, count);
    nplug_replay_attach(&hw->replay, hw->nest);
    return -1;
}

static bool next_of_replay(hardware *hw)
{
    nplug_command commands[256];
    size_t count;

    hw->stopped = nplug_replay_next(&hw->replay, commands, 256, &count, &hw->now);
    if (hw->stopped != NPLUG_OK) return false;
    for (size_t i = 0; i < count; i++)
        nplug_post(hw->nest, &commands[i]);
    nplug_step(hw->nest, hw->now);
    return true;
}

/* --- real hardware -------------------------------------------------------------------------- */

/* Real hardware is stepped as time goes by. */
static void begin_clock(hardware *hw, unsigned rate)
{
    hw->rate = rate;
    hw->interval = 1000000 / rate;
    hw->now = nplug_now();
    hw->end = hw->seconds > 0 ? hw->now + (nplug_time)(hw->seconds * 1e6) : UINT64_MAX;
    signal(SIGINT, interrupt);
    signal(SIGTERM, interrupt);
}

static int open_linux(hardware *hw, unsigned rate, uint32_t records)
{
    nplug_linux_setup setup = nplug_linux_setup_default();
    int status = start_nest(hw, NULL, records, true);

    if (status >= 0) return status;
    setup.also = NPLUG_LINUX_KEYBOARDS | NPLUG_LINUX_MICE;
    hw->real = nplug_linux_open(&setup, malloc(nplug_linux_memory_needed(&setup)),
                                nplug_linux_memory_needed(&setup));
    if (!hw->real) return fail(NPLUG_ERR_MEMORY);
    if (nplug_linux_attach(hw->real, hw->nest) != NPLUG_OK) {
        fprintf(stderr, "nestplug: this system shows no input devices (/dev/input), nor tells when "
                        "one comes\n");
        return TOOL_WRONG;
    }
    hw->labels = getenv("XKB_DEFAULT_LAYOUT") ? labels_open(NULL) : NULL;
    labels_use(hw->nest, hw->labels);
    begin_clock(hw, rate);
    return -1;
}

static int read_controller(hardware *hw)
{
    nplug_result result;
    nplug_notes notes;

    if (!hw->controller) return -1;
    result = nplug_controller_file_read(hw->controller, &hw->controller_file, &notes);
    tool_notes(&notes);
    return result == NPLUG_OK ? -1 : TOOL_WRONG;
}

static int open_headset(hardware *hw, unsigned rate, uint32_t records)
{
    int status = start_nest(hw, NULL, records, true);

    if (status < 0) status = read_controller(hw);
    if (status >= 0) return status;
    hw->headset = headset_attach(hw->nest, nplug_controller_file_profile(hw->controller_file));
    if (!hw->headset) return TOOL_WRONG;
    begin_clock(hw, rate);
    return -1;
}

static bool next_of_real(hardware *hw)
{
    nplug_time now = nplug_now();

    if (interrupted || now >= hw->end) return false;
    if (hw->now > now) {
        struct timespec span = {0, (long)(hw->now - now) * 1000};
        nanosleep(&span, NULL);
    }
    nplug_step(hw->nest, nplug_now());
    hw->now += hw->interval;
    if (hw->now < now) hw->now = now; /* late: no catching up */
    return true;
}

/* --- all ----------------------------------------------------------------------------------- */

/* Which sort of trace is meant. */
typedef enum trace_sort { BY_HAND, RECORDED, EITHER } trace_sort;

static int open_trace(hardware *hw, const char *path, trace_sort sort, unsigned rate,
                      uint32_t records)
{
    bool recorded = sort == RECORDED;

    NPLUG_SIZED(nplug_trace_facts, facts);

    if (nplug_trace_read(path, &hw->trace, &hw->notes) != NPLUG_OK) {
        tool_notes(&hw->notes);
        return TOOL_WRONG;
    }
    tool_notes(&hw->notes);
    nplug_trace_info(hw->trace, &facts);
    if (facts.recorded == recorded || sort == EITHER)
        return facts.recorded ? open_replay(hw, records) : open_sim(hw, rate, records);
    fprintf(stderr,
            recorded ? "%s: this trace was written by hand: play it with --port sim:%s\n"
                     : "%s: this trace was recorded: replay it with --port trace:%s\n",
            path, path);
    return TOOL_WRONG;
}

/* The status to end with, if any; what was opened so far is closed then. */
static int opened(hardware *hw, int status)
{
    if (status < 0) return -1;
    hardware_close(hw);
    return status;
}

static void begin(hardware *hw)
{
    double seconds = hw->seconds;
    const nplug_game *game = hw->game;
    bool any_game = hw->any_game;
    char *sheet = hw->sheet, *model = hw->model, *settings = hw->settings;
    char *game_path = hw->game_path, *controller = hw->controller;

    memset(hw, 0, sizeof *hw);
    hw->controller = controller;
    hw->seconds = seconds;
    hw->game = game;
    hw->any_game = any_game;
    hw->sheet = sheet;
    hw->model = model;
    hw->settings = settings;
    hw->game_path = game_path;
}

int hardware_open_trace(hardware *hw, const char *path, unsigned rate)
{
    begin(hw);
    return opened(hw, open_trace(hw, path, EITHER, rate, 0));
}

int hardware_open(hardware *hw, const tool_command *command, const char *port, unsigned rate,
                  uint32_t records)
{
    int status = hardware_check_time(command, "--for", hw->seconds);

    begin(hw);
    if (status >= 0) return status;
    if (port && strcmp(port, "linux") == 0) return opened(hw, open_linux(hw, rate, records));
    if (port && strcmp(port, "openxr") == 0) return opened(hw, open_headset(hw, rate, records));
    if (!port)
        return tool_usage(command,
                          "%s: where is the hardware? Say --port linux, --port sim:TRACE, --port "
                          "sim:- or --port trace:TRACE",
                          command->name);
    if (strcmp(port, "sim:-") == 0) return opened(hw, open_live(hw, rate, records));
    if (strncmp(port, "sim:", 4) == 0)
        return opened(hw, open_trace(hw, port + 4, BY_HAND, rate, records));
    if (strncmp(port, "trace:", 6) == 0)
        return opened(hw, open_trace(hw, port + 6, RECORDED, rate, records));
    return tool_usage(command,
                      "%s: no such port: %s (linux, openxr, sim:TRACE, sim:- and trace:TRACE are)",
                      command->name, port);
}

int hardware_open_demo(hardware *hw, unsigned rate)
{
    memset(hw, 0, sizeof *hw);
    hw->demo = harbour_game_with_all();
    hw->game = &hw->demo;
    if (nplug_trace_parse(tool_harbour_trace, tool_harbour_trace_size, "harbour.trace", &hw->trace,
                          &hw->notes) != NPLUG_OK) {
        tool_notes(&hw->notes);
        return TOOL_WRONG;
    }
    return opened(hw, open_sim(hw, rate, 0));
}

bool hardware_next(hardware *hw)
{
    if (hw->real || hw->headset) return next_of_real(hw);
    if (hw->live) return next_of_live(hw);
    return hw->sim ? next_of_sim(hw) : next_of_replay(hw);
}

int hardware_close(hardware *hw)
{
    const char *story;
    int status = TOOL_DONE;

    if (hw->sim && nplug_sim_failures(hw->sim, &story)) {
        fprintf(stderr, "nestplug: the simulated hardware could not do all: %s\n", story);
        status = TOOL_WRONG;
    }
    if (hw->live && hw->live->wrong) status = TOOL_WRONG;
    if (hw->stopped != NPLUG_OK && hw->stopped != NPLUG_END) status = fail(hw->stopped);
    nplug_stop(hw->nest);
    labels_close(hw->labels);
    free(hw->sim);
    free(hw->real);
    free(hw->headset);
    free(hw->live);
    nplug_trace_free(hw->trace);
    nplug_sheet_file_free(hw->sheet_file);
    nplug_model_file_free(hw->model_file);
    nplug_controller_file_free(hw->controller_file);
    nplug_settings_free(hw->kept);
    nplug_game_file_free(hw->game_file);
    free(hw->game_path);
    free(hw->settings);
    free(hw->sheet);
    free(hw->controller);
    free(hw->model);
    return status;
}

void hardware_name(const nplug_nest *nest, nplug_device device, char *buffer, size_t size)
{
    NPLUG_SIZED(nplug_device_facts, info);

    if (nplug_device_info(nest, device, &info) != NPLUG_OK) {
        snprintf(buffer, size, "a device");
        return;
    }
    snprintf(buffer, size, "%s [%x]", *info.name ? info.name : "a device without a name", device);
}

nplug_device hardware_find(const nplug_nest *nest, const char *wanted)
{
    NPLUG_SIZED(nplug_device_facts, info);
    char *end;
    unsigned long id = strtoul(wanted, &end, 16);

    for (uint32_t i = 0; i < nplug_device_count(nest); i++) {
        nplug_device_info(nest, nplug_device_at(nest, i), &info);
        if ((!*end && info.device == id) || strcmp(info.sheet, wanted) == 0 ||
            strcmp(info.name, wanted) == 0)
            return info.device;
    }
    return 0;
}
