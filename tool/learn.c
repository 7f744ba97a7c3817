#include "describe.h"
#include "hardware.h"
#include <fcntl.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <termios.h>
#include <unistd.h>

/* A session with a person (keys) or without one (a control that does not move is left out). */
typedef struct session {
    hardware hw;
    nplug_learner *learner;
    nplug_time skip_after, asked_at; /* skip_after 0: never */
    uint32_t asked;                  /* which question was put last, from 1; 0 before the first */
    nplug_learn_phase told;
    bool keys, ended;
    struct termios before;
} session;

/* --- keys ------------------------------------------------------------------------------------ */

static void begin_keys(session *s)
{
    struct termios raw;

    s->keys = isatty(STDIN_FILENO) && s->hw.real && tcgetattr(STDIN_FILENO, &s->before) == 0;
    if (!s->keys) return;
    raw = s->before;
    raw.c_lflag &= ~(tcflag_t)(ICANON | ECHO);
    raw.c_cc[VMIN] = 0;
    raw.c_cc[VTIME] = 0;
    tcsetattr(STDIN_FILENO, TCSANOW, &raw);
    printf("Keys: s leaves a control out (or ends the loosening), b goes back, q ends.\n\n");
}

static void end_keys(session *s)
{
    if (s->keys) tcsetattr(STDIN_FILENO, TCSANOW, &s->before);
}

static void obey(session *s)
{
    char key;

    if (!s->keys || read(STDIN_FILENO, &key, 1) != 1) return;
    if (key == 's') nplug_learner_skip(s->learner);
    if (key == 'b') nplug_learner_undo(s->learner);
    if (key == 'q') s->ended = true;
}

/* --- questions ------------------------------------------------------------------------------- */

static const char *how_to_move(const nplug_learn_question *question)
{
    unsigned components;
    nplug_nature nature = nplug_control_nature(question->control, &components);

    if (nature == NPLUG_NATURE_BUTTON) return "press it";
    if (question->component == 1) return "push it up (away from you)";
    if (components == 2) return "push it to the right";
    return NPLUG_CONTROL_CLASS(question->control) == NPLUG_CLASS_PAD
               ? "pull it all the way"
               : "move it to its right or full end";
}

static void ask(session *s, const nplug_learn_question *question)
{
    char name[64], taken[64];

    nplug_control_name(question->control, name, sizeof name);
    if (question->taken) {
        nplug_control_name(question->taken, taken, sizeof taken);
        printf("        That was %s, already learnt: move another, or leave this one out.\n",
               taken);
    }
    printf("%3u/%-3u %-24s %s ", question->number, question->of, name, how_to_move(question));
    fflush(stdout);
    s->asked = question->number;
    s->asked_at = s->hw.now;
}

static void tell_phase(nplug_learn_phase phase)
{
    if (phase == NPLUG_LEARN_PHASE_LOOSEN)
        printf("Move every stick, trigger and lever all its way once, then let go of all.\n");
    else if (phase == NPLUG_LEARN_PHASE_REST)
        printf("Now touch nothing for a second.\n");
    fflush(stdout);
}

/* What changed since the last step is told. */
static void follow(session *s, nplug_learn_phase phase)
{
    NPLUG_SIZED(nplug_learn_question, question);

    nplug_learner_info(s->learner, &question);
    if (phase == NPLUG_LEARN_PHASE_MOVE && (question.number != s->asked || question.taken)) {
        if (s->asked && question.number > s->asked)
            printf("%s\n", s->told == NPLUG_LEARN_PHASE_BACK ? "- seen" : "- left out");
        if (question.number != s->asked || s->told == NPLUG_LEARN_PHASE_BACK) ask(s, &question);
    } else if (phase != s->told && phase < NPLUG_LEARN_PHASE_MOVE) {
        tell_phase(phase);
    }
    s->told = phase;
    if (phase == NPLUG_LEARN_PHASE_MOVE && s->skip_after && s->hw.now > s->asked_at + s->skip_after)
        nplug_learner_skip(s->learner);
}

/* --- the session ------------------------------------------------------------------------------ */

/* Steps until the device is there: the one that is wanted, or the first. */
static nplug_device wait_for_device(hardware *hw, const char *wanted)
{
    nplug_device device = 0;

    while (!device && hardware_next(hw))
        device = wanted ? hardware_find(hw->nest, wanted) : nplug_device_at(hw->nest, 0);
    return device;
}

/* Takes a sheet, or else what was measured, into the settings, which may be there already. */
static int keep_settings(const nplug_nest *nest, const nplug_sheet *sheet, const char *path)
{
    nplug_settings *settings = NULL;
    nplug_notes notes;
    nplug_result result = NPLUG_OK;

    if (!path) return TOOL_DONE;
    if (access(path, F_OK) == 0)
        result = nplug_settings_read(path, &settings, &notes);
    else
        settings = nplug_settings_new();
    if (result != NPLUG_OK) {
        tool_notes(&notes);
        return TOOL_WRONG;
    }
    result =
        sheet ? nplug_settings_keep_sheet(settings, sheet) : nplug_settings_keep(settings, nest);
    if (result == NPLUG_OK) result = nplug_settings_write(settings, path);
    nplug_settings_free(settings);
    if (result != NPLUG_OK) {
        perror(path);
        return TOOL_WRONG;
    }
    printf("\nKept in %s.\n", path);
    return TOOL_DONE;
}

static int put_sheet(const nplug_sheet *sheet, const char *output)
{
    static char text[65536];

    if (!output) {
        nplug_sheet_text(sheet, text, sizeof text);
        printf("%s\n", text);
        return TOOL_DONE;
    }
    if (nplug_sheet_write(sheet, output) != NPLUG_OK) {
        perror(output);
        return TOOL_WRONG;
    }
    printf("\n%u signals became controls: %s. Try it: nestplug watch --sheet %s\n",
           sheet->wire_count, output, output);
    return TOOL_DONE;
}

/* Into the settings, where they are given, and else, or beside that, as a sheet. */
static int keep_sheet(const session *s, const char *output, const char *settings)
{
    const nplug_sheet *sheet = nplug_learner_sheet(s->learner);
    int status = keep_settings(s->hw.nest, sheet, settings);

    return settings && !output ? status : put_sheet(sheet, output);
}

/* To the end of the questions; a trace that ends leaves out what it did not move. */
static int converse(session *s, const char *output, const char *settings)
{
    nplug_learn_phase phase = NPLUG_LEARN_PHASE_LOOSEN;

    s->told = NPLUG_LEARN_PHASE_GONE;
    while (!s->ended && phase < NPLUG_LEARN_PHASE_DONE && hardware_next(&s->hw)) {
        obey(s);
        phase = nplug_learner_step(s->learner, s->hw.nest);
        if (phase < NPLUG_LEARN_PHASE_DONE) follow(s, phase);
    }
    if (s->asked && phase < NPLUG_LEARN_PHASE_DONE) printf("- and all that follow left out");
    for (int i = 0; !s->keys && phase < NPLUG_LEARN_PHASE_DONE && i < 256; i++) {
        nplug_learner_skip(s->learner);
        phase = nplug_learner_step(s->learner, s->hw.nest);
    }
    printf("\n");
    if (phase == NPLUG_LEARN_PHASE_DONE && nplug_learner_sheet(s->learner)->wire_count)
        return keep_sheet(s, output, settings);
    fprintf(stderr, phase == NPLUG_LEARN_PHASE_GONE
                        ? "nestplug: the device has gone\n"
                        : "nestplug: nothing was learnt, and nothing is written\n");
    return TOOL_WRONG;
}

/* --- calibration ------------------------------------------------------------------------------ */

static void print_calibration(const nplug_nest *nest, nplug_device device,
                              const nplug_calibration *before)
{
    char name[64];

    NPLUG_SIZED(nplug_calibration_facts, axis);

    printf("\n%-22s %35s   %35s\n%-22s %11s %11s %11s   %11s %11s %11s\n", "", "BEFORE", "AFTER",
           "SIGNAL", "low", "rest", "high", "low", "rest", "high");
    for (uint32_t i = 0; nplug_calibration_info(nest, device, i, &axis) == NPLUG_OK; i++) {
        nplug_code_name(axis.now.space, axis.now.code, name, sizeof name);
        printf("%-22s %11d %11d %11d   %11d %11d %11d\n", name, (int)before[i].low,
               (int)before[i].rest, (int)before[i].high, (int)axis.now.low, (int)axis.now.rest,
               (int)axis.now.high);
    }
}

/* While the person loosens everything, what is reached is measured; while nothing is touched, it is
 * taken. */
static int calibrate(session *s, nplug_device device, const char *settings)
{
    nplug_calibration before[64];
    nplug_learn_phase phase = NPLUG_LEARN_PHASE_LOOSEN;

    NPLUG_SIZED(nplug_calibration_facts, axis);
    for (uint32_t i = 0; i < 64; i++) {
        if (nplug_calibration_info(s->hw.nest, device, i, &axis) != NPLUG_OK) break;
        before[i] = axis.now;
    }
    nplug_calibrate(s->hw.nest, device, NPLUG_CALIBRATE_MODE_MEASURE);
    s->told = NPLUG_LEARN_PHASE_GONE;
    while (!s->ended && phase < NPLUG_LEARN_PHASE_MOVE && hardware_next(&s->hw)) {
        obey(s);
        phase = nplug_learner_step(s->learner, s->hw.nest);
        if (phase != s->told && phase < NPLUG_LEARN_PHASE_MOVE) tell_phase(phase);
        s->told = phase;
    }
    if (phase != NPLUG_LEARN_PHASE_MOVE) {
        fprintf(stderr, "nestplug: the device did not come to rest: nothing was calibrated\n");
        return TOOL_WRONG;
    }
    nplug_calibrate(s->hw.nest, device, NPLUG_CALIBRATE_MODE_TAKE);
    hardware_next(&s->hw);
    print_calibration(s->hw.nest, device, before);
    return keep_settings(s->hw.nest, NULL, settings);
}

/* The number of a kind that can be learnt; 0 where it cannot. */
static nplug_device_kind kind_to_learn(const char *name)
{
    static const nplug_device_kind kinds[] = {NPLUG_KIND_PAD, NPLUG_KIND_STICK, NPLUG_KIND_WHEEL,
                                              NPLUG_KIND_MOUSE};

    for (size_t i = 0; i < sizeof kinds / sizeof *kinds; i++)
        if (strcmp(nplug_kind_name(kinds[i]), name) == 0) return kinds[i];
    return NPLUG_KIND_UNKNOWN;
}

static int learn(session *s, const char *wanted, const char *kind, const char *output,
                 const char *settings, bool calibrates)
{
    nplug_device device = wait_for_device(&s->hw, wanted);
    void *block = malloc(nplug_learner_memory_needed());
    char name[80];
    int status = TOOL_WRONG;

    if (device && block)
        s->learner = nplug_learner_open(s->hw.nest, device, kind_to_learn(kind), block,
                                        nplug_learner_memory_needed());
    if (!device) {
        fprintf(stderr, "nestplug: no such device came: nothing to learn\n");
    } else if (!s->learner) {
        fprintf(stderr, "nestplug: %s\n", nplug_result_text(NPLUG_ERR_MEMORY));
    } else {
        hardware_name(s->hw.nest, device, name, sizeof name);
        if (!calibrates) printf("Learning %s as a %s.\n", name, kind);
        begin_keys(s);
        status = calibrates ? calibrate(s, device, settings) : converse(s, output, settings);
        end_keys(s);
    }
    free(block);
    return status;
}

static int run(const tool_command *command, int argc, const char **argv)
{
    char *port = NULL, *output = NULL, *kind = NULL, *settings = NULL;
    double skip = HARDWARE_NO_TIME;
    const char *wanted;
    session s = {.hw = {.any_game = true}};
    int status, closed, calibrates = 0;
    struct poptOption options[] = {
        {"port", 0, POPT_ARG_STRING, &port, 0, HARDWARE_PORT_HELP, "PORT"},
        {"kind", 0, POPT_ARG_STRING, &kind, 0, "What it is: pad (default), stick, wheel or mouse",
         "KIND"},
        {"output", 'o', POPT_ARG_STRING, &output, 0, "The sheet to write (default: print it)",
         "FILE"},
        {"skip-after", 0, POPT_ARG_DOUBLE, &skip, 0,
         "Leave a control out that does not move for so long (default: 3 with a trace, else never)",
         "SECONDS"},
        {"calibrate", 0, POPT_ARG_NONE, &calibrates, 0,
         "Measure only where it rests and how far it goes, and show before and after", NULL},
        {"settings", 0, POPT_ARG_STRING, &settings, 0,
         "The settings to keep the sheet, or the calibration, in", "FILE"},
        HARDWARE_FILES(s.hw),
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &wanted);
    if (status < 0 && kind && !kind_to_learn(kind))
        status = tool_usage(
            command, "learn: --kind takes pad, stick, wheel or mouse, which can be learnt: %s",
            kind);
    if (status < 0) status = hardware_check_time(command, "--skip-after", skip);
    if (status < 0) status = hardware_open(&s.hw, command, port, 120, 0);
    if (status < 0) {
        if (skip < 0.0 && !s.hw.real) skip = 3.0;
        s.skip_after = skip > 0.0 ? (nplug_time)(skip * 1e6) : 0;
        status = learn(&s, wanted, kind ? kind : "pad", output, settings, calibrates != 0);
        closed = hardware_close(&s.hw);
        if (status == TOOL_DONE) status = closed;
    }
    free(port);
    free(output);
    free(kind);
    free(settings);
    return status;
}

const tool_command tool_learn = {"learn",
                                 "--port PORT [OPTIONS] [DEVICE]",
                                 "Makes a sheet for a device by asking for each control in turn",
                                 "DEVICE is its id or its name (default: the first that is here). "
                                 "Each control is pressed, or moved "
                                 "to its right, up or full end, and let go. What is learnt is a "
                                 "sheet: give it to --sheet, or to a "
                                 "game's settings.",
                                 TOOL_MAY,
                                 run};
