#include "codes.h"
#include "objects.h"
#include "trace_format.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* Where in the text a move or a record stands. */
typedef struct line_of {
    size_t at, length;
    uint32_t number;
} line_of;

struct nplug_trace {
    char *text;
    nplug_trace_facts header; /* its size is set as it is asked for */
    nplug_limits limits;
    bool headed;   /* the header was read */
    bool recorded; /* the lines are records, not moves */
    nplug_move *moves;
    json_t **roots; /* of the moves: they own the moves' texts */
    size_t move_count;
    nplug_record *records;
    size_t record_count;
    line_of *lines; /* of the moves, or of the records */
    size_t room;
    nplug_time last; /* time of the last move */
};

/* --- moves ---------------------------------------------------------------------------------- */

typedef struct move_form {
    const char *word; /* the member that tells which move it is */
    nf_object object;
} move_form;

static const nf_field arrive_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("arrive", NF_STRING),
                                         NF_MUST("model", NF_STRING), NF_HAND("serial", NF_STRING),
                                         NF_HAND("socket", NF_STRING)};
static const nf_field depart_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("depart", NF_STRING)};
static const nf_field press_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("press", NF_STRING),
                                        NF_MUST("on", NF_STRING), NF_HAND("for", NF_INTEGER)};
static const nf_field release_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("release", NF_STRING),
                                          NF_MUST("on", NF_STRING)};
static const nf_field sweep_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("sweep", NF_STRING),
                                        NF_MUST("on", NF_STRING), NF_MUST("to", NF_ANY),
                                        NF_HAND("over", NF_INTEGER)};
static const nf_field signal_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("signal", NF_ANY),
                                         NF_MUST("on", NF_STRING), NF_MUST("value", NF_INTEGER)};
static const nf_field circle_fields[] = {NF_MUST("t", NF_INTEGER),    NF_MUST("circle", NF_STRING),
                                         NF_MUST("on", NF_STRING),    NF_MUST("over", NF_INTEGER),
                                         NF_HAND("turns", NF_NUMBER), NF_HAND("radius", NF_NUMBER)};
static const nf_field flick_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("flick", NF_STRING),
                                        NF_MUST("on", NF_STRING), NF_MUST("to", NF_ANY),
                                        NF_MUST("over", NF_INTEGER)};
static const nf_field noise_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("noise", NF_STRING),
                                        NF_MUST("on", NF_STRING), NF_MUST("of", NF_NUMBER),
                                        NF_MUST("over", NF_INTEGER)};
static const nf_field pose_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("pose", NF_STRING),
                                       NF_MUST("on", NF_STRING), NF_MUST("to", NF_ARRAY)};
static const nf_field layout_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("layout", NF_STRING)};
static const nf_field battery_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("battery", NF_NUMBER),
                                          NF_MUST("on", NF_STRING)};
static const nf_field asleep_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("asleep", NF_BOOL),
                                         NF_MUST("on", NF_STRING)};
static const nf_field roll_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("roll", NF_STRING),
                                       NF_MUST("on", NF_STRING), NF_MUST("by", NF_ARRAY),
                                       NF_HAND("over", NF_INTEGER)};
static const nf_field touch_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("touch", NF_ARRAY),
                                        NF_MUST("on", NF_STRING), NF_HAND("finger", NF_INTEGER),
                                        NF_HAND("to", NF_ARRAY),  NF_HAND("for", NF_INTEGER)};
static const nf_field end_fields[] = {NF_MUST("t", NF_INTEGER), NF_MUST("end", NF_BOOL)};

/* In the order of nplug_move_kind. */
static const move_form forms[] = {
    {"arrive", NF_OBJECT_OF(arrive_fields, "trace", "/$defs/arrive")},
    {"depart", NF_OBJECT_OF(depart_fields, "trace", "/$defs/depart")},
    {"press", NF_OBJECT_OF(press_fields, "trace", "/$defs/press")},
    {"release", NF_OBJECT_OF(release_fields, "trace", "/$defs/release")},
    {"sweep", NF_OBJECT_OF(sweep_fields, "trace", "/$defs/sweep")},
    {"signal", NF_OBJECT_OF(signal_fields, "trace", "/$defs/signal")},
    {"end", NF_OBJECT_OF(end_fields, "trace", "/$defs/end")},
    {"circle", NF_OBJECT_OF(circle_fields, "trace", "/$defs/circle")},
    {"flick", NF_OBJECT_OF(flick_fields, "trace", "/$defs/flick")},
    {"noise", NF_OBJECT_OF(noise_fields, "trace", "/$defs/noise")},
    {"pose", NF_OBJECT_OF(pose_fields, "trace", "/$defs/pose")},
    {"layout", NF_OBJECT_OF(layout_fields, "trace", "/$defs/layout")},
    {"battery", NF_OBJECT_OF(battery_fields, "trace", "/$defs/battery")},
    {"roll", NF_OBJECT_OF(roll_fields, "trace", "/$defs/roll")},
    {"touch", NF_OBJECT_OF(touch_fields, "trace", "/$defs/touch")},
    {"asleep", NF_OBJECT_OF(asleep_fields, "trace", "/$defs/asleep")},
};

static nplug_time read_time(nf_doc *doc, const char *name)
{
    json_int_t value = json_integer_value(json_object_get(doc->root, name));
    char pointer[32];

    snprintf(pointer, sizeof pointer, "/%s", name);
    if (value < 0) nf_error(doc, pointer, "\"%s\" must be 0 or more microseconds", name);
    return value < 0 ? 0 : (nplug_time)value;
}

static float read_component(nf_doc *doc, const json_t *value, const char *pointer)
{
    double number = json_number_value(value);

    if (!json_is_number(value) || number < -1.0 || number > 1.0)
        nf_error(doc, pointer, "a number from -1 to 1 is expected");
    return (float)number;
}

/* "to": a number, or [x, y]. */
static void read_target(nf_doc *doc, nplug_move *move)
{
    const json_t *to = json_object_get(doc->root, "to");

    if (!to) return;
    if (!json_is_array(to)) {
        move->x = read_component(doc, to, "/to");
        return;
    }
    if (json_array_size(to) != 2) {
        nf_error(doc, "/to", "\"to\" must be a number or two: [x, y]");
        return;
    }
    move->x = read_component(doc, json_array_get(to, 0), "/to/0");
    move->y = read_component(doc, json_array_get(to, 1), "/to/1");
}

/* A place on a surface: [x, y]. */
static void read_place(nf_doc *doc, const char *member, float *x, float *y)
{
    const json_t *place = json_object_get(doc->root, member);
    float *numbers[2] = {x, y};
    char at[32];

    snprintf(at, sizeof at, "/%s", member);
    for (size_t i = 0; i < 2; i++) {
        const json_t *value = json_array_get(place, i);
        double number = json_number_value(value);
        if (json_array_size(place) != 2 || !json_is_number(value) || number < 0.0 || number > 1.0) {
            nf_error(doc, at, "\"%s\" must be two numbers from 0 to 1: [x, y]", member);
            return;
        }
        *numbers[i] = (float)number;
    }
}

/* A finger that comes down, goes somewhere, and is lifted. */
static void read_touch(nf_doc *doc, nplug_move *move)
{
    const json_t *finger = json_object_get(doc->root, "finger");
    json_int_t number = finger ? json_integer_value(finger) : 1;

    read_place(doc, "touch", &move->x, &move->y);
    move->to_x = move->x;
    move->to_y = move->y;
    if (json_object_get(doc->root, "to")) read_place(doc, "to", &move->to_x, &move->to_y);
    move->span = read_time(doc, "for");
    if (number < 1 || number > 16) nf_error(doc, "/finger", "1 to 16 is expected");
    move->finger = (uint32_t)number;
}

/* "by": whole counts, [x, y]. */
static void read_counts(nf_doc *doc, nplug_move *move)
{
    const json_t *by = json_object_get(doc->root, "by");
    float *counts[2] = {&move->x, &move->y};
    bool right = json_array_size(by) == 2;

    move->span = read_time(doc, "over");
    for (size_t i = 0; i < 2; i++) {
        const json_t *value = json_array_get(by, i);
        json_int_t count = json_integer_value(value);
        right &= json_is_integer(value) && count >= -1000000 && count <= 1000000;
        *counts[i] = (float)count;
    }
    if (!right) nf_error(doc, "/by", "\"by\" must be two whole numbers of counts: [x, y]");
}

/* "to" of a pose: x, y, z in metres, and the turn's x, y, z, w. */
static void read_pose(nf_doc *doc, nplug_move *move)
{
    nplug_pose *pose = (nplug_pose *)calloc(1, sizeof *pose);
    const json_t *to = json_object_get(doc->root, "to");
    bool right = json_array_size(to) == 7;

    for (size_t i = 0; i < 7; i++) {
        const json_t *value = json_array_get(to, i);
        float number = (float)json_number_value(value);
        right &= json_is_number(value) && number >= -1000.0f && number <= 1000.0f;
        if (pose && i < 3) pose->position[i] = number;
        if (pose && i >= 3) pose->orientation[i - 3] = number;
    }
    move->pose = pose;
    if (!right)
        nf_error(doc, "/to", "\"to\" must be seven numbers: [x, y, z, and the turn's x, y, z, w]");
}

static float read_share(nf_doc *doc, const char *member, double otherwise, double most)
{
    const json_t *value = json_object_get(doc->root, member);
    double number = value ? json_number_value(value) : otherwise;
    char at[32];

    snprintf(at, sizeof at, "/%s", member);
    if (number < 0 || number > most) nf_error(doc, at, "0 to %g is expected", most);
    return (float)number;
}

/* "signal": the name of a code, or an index. */
/* A name of the kernel's, or a path of OpenXR's. */
static void read_code(nf_doc *doc, const char *name, nplug_move *move)
{
    nplug_space space = strchr(name, '/') ? NPLUG_SPACE_OPENXR : NPLUG_SPACE_EVDEV;
    size_t count, stride;
    const char *const *names = nf_code_names(space, &count, &stride);
    char near[96];

    move->space = space;
    if (!nf_code_from_name(space, name, &move->code))
        nf_error(doc, "/signal", "\"%s\" is no code of %s%s", name, nf_space_names[space],
                 nf_nearest(names, count, stride, name, near, sizeof near));
}

static void read_signal(nf_doc *doc, nplug_move *move)
{
    const json_t *signal = json_object_get(doc->root, "signal");

    move->value = (int32_t)json_integer_value(json_object_get(doc->root, "value"));
    move->space = NPLUG_SPACE_PLAIN;
    if (json_is_integer(signal) && json_integer_value(signal) >= 0 &&
        json_integer_value(signal) < 65536)
        move->code = (uint32_t)json_integer_value(signal);
    else if (json_is_string(signal))
        read_code(doc, json_string_value(signal), move);
    else
        nf_error(doc, "/signal",
                 "\"signal\" must be a code's name (ABS_X, grip/pose/tracking) or an index from 0");
}

/* What the hands do that takes a while, and poses. */
static void read_motion(nf_doc *doc, nplug_move *move)
{
    if (move->kind == NPLUG_MOVE_POSE) {
        read_pose(doc, move);
        return;
    }
    move->span = read_time(doc, "over");
    if (move->kind == NPLUG_MOVE_FLICK) read_target(doc, move);
    if (move->kind == NPLUG_MOVE_NOISE) move->x = read_share(doc, "of", 0.0, 1.0);
    if (move->kind != NPLUG_MOVE_CIRCLE) return;
    move->x = read_share(doc, "radius", 1.0, 1.0);
    move->y = read_share(doc, "turns", 1.0, 1000.0);
}

static void read_move_body(nf_doc *doc, nplug_move *move)
{
    const char *form = forms[move->kind].word;

    move->time = read_time(doc, "t");
    move->on = nf_string(doc->root, "on", NULL);
    move->what = nf_string(doc->root, form, NULL);
    if (move->kind == NPLUG_MOVE_ARRIVE || move->kind == NPLUG_MOVE_DEPART) {
        move->on = move->what;
        move->what = nf_string(doc->root, "model", NULL);
        move->serial = nf_string(doc->root, "serial", NULL);
        move->socket = nf_string(doc->root, "socket", NULL);
    }
    if (move->kind == NPLUG_MOVE_PRESS) move->span = read_time(doc, "for");
    if (move->kind == NPLUG_MOVE_SWEEP) {
        move->span = read_time(doc, "over");
        read_target(doc, move);
    }
    if (move->kind == NPLUG_MOVE_BATTERY) move->x = read_share(doc, "battery", 0.0, 1.0);
    if (move->kind == NPLUG_MOVE_ASLEEP)
        move->x = json_is_true(json_object_get(doc->root, "asleep")) ? 1.0f : 0.0f;
    if (move->kind == NPLUG_MOVE_TOUCH) read_touch(doc, move);
    if (move->kind == NPLUG_MOVE_ROLL) read_counts(doc, move);
    if (move->kind == NPLUG_MOVE_SIGNAL) read_signal(doc, move);
    if (move->kind >= NPLUG_MOVE_CIRCLE && move->kind <= NPLUG_MOVE_POSE) read_motion(doc, move);
}

static int form_of(const json_t *root)
{
    for (size_t i = 0; i < NF_COUNT(forms); i++)
        if (json_object_get(root, forms[i].word)) return (int)i;
    return -1;
}

static void read_move(nf_doc *doc, nplug_trace *trace)
{
    nplug_move *move = &trace->moves[trace->move_count];
    int form = form_of(doc->root);

    if (form < 0) {
        nf_error(doc, "",
                 "what happens here? One of \"arrive\", \"depart\", \"press\", "
                 "\"release\", \"sweep\", \"signal\", \"end\", \"circle\", \"flick\", \"noise\", "
                 "\"pose\", \"layout\", \"battery\", \"roll\", \"touch\", \"asleep\" is expected");
        return;
    }
    nf_check(doc, doc->root, "", &forms[form].object);
    if (doc->failed) return;
    memset(move, 0, sizeof *move);
    move->kind = (uint32_t)form;
    read_move_body(doc, move);
    if (move->time < trace->last)
        nf_error(doc, "/t", "\"t\" goes back from %llu: moves stand in order of time",
                 (unsigned long long)trace->last);
    trace->last = move->time;
    trace->roots[trace->move_count++] = json_incref(doc->root);
}

/* --- records -------------------------------------------------------------------------------- */

static const nf_field step_fields[] = {NF_MUST("step", NF_INTEGER)};
static const nf_object step_object = NF_OBJECT_OF(step_fields, "trace", "/$defs/step");
static const nf_field command_fields[] = {
    NF_MUST("command", NF_STRING),  NF_HAND("device", NF_INTEGER), NF_HAND("player", NF_INTEGER),
    NF_HAND("number", NF_INTEGER),  NF_HAND("strong", NF_INTEGER), NF_HAND("weak", NF_INTEGER),
    NF_HAND("control", NF_INTEGER), NF_HAND("on", NF_INTEGER)};
static const nf_object command_object = NF_OBJECT_OF(command_fields, "trace", "/$defs/command");
static const nf_field report_fields[] = {
    NF_MUST("t", NF_INTEGER),          NF_MUST("port", NF_INTEGER),
    NF_MUST("device", NF_INTEGER),     NF_HAND("says", NF_STRING),
    NF_HAND("signal", NF_INTEGER),     NF_HAND("flags", NF_INTEGER),
    NF_HAND("value", NF_INTEGER),      NF_HAND("bytes", NF_STRING),
    NF_HAND("bus", NF_INTEGER),        NF_HAND("vendor", NF_INTEGER),
    NF_HAND("product", NF_INTEGER),    NF_HAND("version", NF_INTEGER),
    NF_HAND("signals", NF_INTEGER),    NF_HAND("times", NF_INTEGER),
    NF_HAND("unreadable", NF_INTEGER), NF_HAND("code", NF_INTEGER),
    NF_HAND("properties", NF_INTEGER), NF_HAND("min", NF_INTEGER),
    NF_HAND("max", NF_INTEGER),        NF_HAND("space", NF_INTEGER),
    NF_HAND("nature", NF_INTEGER),     NF_HAND("flat", NF_INTEGER),
    NF_HAND("fuzz", NF_INTEGER),       NF_HAND("resolution", NF_INTEGER)};
static const nf_object report_object = NF_OBJECT_OF(report_fields, "trace", "/$defs/report");

static void read_bytes(nf_doc *doc, char *into, size_t size)
{
    const char *hex = nf_string(doc->root, "bytes", "");

    if (strlen(hex) > 2 * size || strlen(hex) % 2 ||
        strspn(hex, "0123456789abcdef") != strlen(hex)) {
        nf_error(doc, "/bytes", "\"bytes\" must be at most %u bytes in hexadecimal",
                 (unsigned)size);
        return;
    }
    for (size_t i = 0; hex[2 * i]; i++) {
        unsigned byte = 0;
        sscanf(hex + 2 * i, "%2x", &byte);
        into[i] = (char)byte;
    }
}

static void read_report(nf_doc *doc, nplug_record *record)
{
    const char *word = nf_string(doc->root, "says", nf_says[0]);
    int kind = nf_word(nf_says, NF_COUNT(nf_says), word);
    json_int_t port = json_integer_value(json_object_get(doc->root, "port"));
    size_t count;
    const nf_number *numbers;

    if (kind < 0) nf_error(doc, "/says", "\"%s\" is nothing that a report says", word);
    if (port < 0 || port > 31) nf_error(doc, "/port", "\"port\" must be 0 to 31");
    if (doc->failed) return;
    record->kind = NPLUG_RECORD_REPORT;
    record->port = (uint8_t)port;
    record->data.report.kind = (uint8_t)kind;
    nf_numbers_read(doc, doc->root, "", nf_report_numbers, nf_report_number_count,
                    &record->data.report);
    numbers = nf_kind_numbers((unsigned)kind, &count);
    nf_numbers_read(doc, doc->root, "", numbers, count, &record->data.report);
    if (kind == NPLUG_REPORT_TEXT)
        read_bytes(doc, record->data.report.data.text, sizeof record->data.report.data.text);
    if (record->data.report.device > NPLUG_PORT_DEVICE_MAX && kind != NPLUG_REPORT_DROPPED)
        nf_error(doc, "/device", "\"device\" must be 0 to %u", NPLUG_PORT_DEVICE_MAX);
}

static void read_command(nf_doc *doc, nplug_record *record)
{
    const char *word = nf_string(doc->root, "command", "");
    int kind = nf_word(nf_commands, NF_COUNT(nf_commands), word);

    if (kind < 1) nf_error(doc, "/command", "\"%s\" is no command", word);
    record->kind = NPLUG_RECORD_COMMAND;
    record->data.command.kind = kind < 1 ? 0 : (uint32_t)kind;
    nf_numbers_read(doc, doc->root, "", nf_command_numbers, nf_command_number_count,
                    &record->data.command);
}

static void read_record(nf_doc *doc, nplug_trace *trace)
{
    nplug_record *record = &trace->records[trace->record_count];
    bool step = json_object_get(doc->root, "step") != NULL;
    bool command = json_object_get(doc->root, "command") != NULL;

    memset(record, 0, sizeof *record);
    if (step) {
        nf_check(doc, doc->root, "", &step_object);
        record->kind = NPLUG_RECORD_STEP;
        if (!doc->failed) record->data.step = read_time(doc, "step");
    } else if (command) {
        nf_check(doc, doc->root, "", &command_object);
        if (!doc->failed) read_command(doc, record);
    } else {
        nf_check(doc, doc->root, "", &report_object);
        if (!doc->failed) read_report(doc, record);
    }
    trace->record_count++;
}

/* --- lines ---------------------------------------------------------------------------------- */

static const nf_field header_fields[] = {
    NF_MUST("nestplug", NF_STRING), NF_MUST("version", NF_INTEGER), NF_HAND("library", NF_STRING),
    NF_HAND("game", NF_STRING),     NF_HAND("limits", NF_OBJECT),   NF_HAND("about", NF_STRING),
    NF_HAND("given", NF_STRING),    NF_HAND("follow_rest", NF_BOOL)};
static const nf_object header_object = NF_OBJECT_OF(header_fields, "trace", "/$defs/header");

static void read_header(nf_doc *doc, nplug_trace *trace)
{
    const json_t *limits = json_object_get(doc->root, "limits");

    if (!json_object_get(doc->root, "nestplug")) {
        nf_error(doc, "", "a trace begins with {\"nestplug\": \"trace\", \"version\": 1}");
        return;
    }
    nf_check(doc, doc->root, "", &header_object);
    if (doc->failed) return;
    if (strcmp(nf_string(doc->root, "nestplug", ""), "trace") != 0)
        nf_error(doc, "/nestplug", "\"trace\" is expected: this file is something else");
    if (json_integer_value(json_object_get(doc->root, "version")) != NF_TRACE_VERSION)
        nf_error(doc, "/version", "this library reads version %d of traces", NF_TRACE_VERSION);
    trace->headed = true;
    if (!limits) return;
    trace->recorded = true;
    trace->room = 0;                        /* of records there are none yet */
    trace->limits = nplug_limits_default(); /* of what an older trace does not know */
    nf_numbers_read(doc, limits, "/limits", nf_limit_numbers, nf_limit_number_count,
                    &trace->limits);
    trace->header.game = strtoull(nf_string(doc->root, "game", "0"), NULL, 16);
    trace->header.given = strtoull(nf_string(doc->root, "given", "0"), NULL, 16);
    trace->header.follow_rest = json_is_true(json_object_get(doc->root, "follow_rest"));
}

static void *grown(void *list, size_t room, size_t size)
{
    void *larger = realloc(list, room * size);
    if (!larger) free(list);
    return larger;
}

static bool make_room(nplug_trace *trace)
{
    size_t used = trace->recorded ? trace->record_count : trace->move_count;

    if (used < trace->room) return true;
    trace->room = trace->room ? 2 * trace->room : 256;
    trace->lines = (line_of *)grown(trace->lines, trace->room, sizeof *trace->lines);
    if (trace->recorded) {
        trace->records = (nplug_record *)grown(trace->records, trace->room, sizeof *trace->records);
        return trace->records && trace->lines;
    }
    trace->moves = (nplug_move *)grown(trace->moves, trace->room, sizeof *trace->moves);
    trace->roots = (json_t **)grown(trace->roots, trace->room, sizeof *trace->roots);
    if (!trace->moves || !trace->roots) trace->move_count = 0;
    return trace->moves && trace->roots && trace->lines;
}

/* One line; false where there is no memory left. */
static bool read_line(nplug_trace *trace, line_of line, nplug_notes *notes, bool *failed)
{
    nf_doc doc = {trace->text + line.at, line.length, line.number, NULL, notes, false};
    size_t place;

    if (!make_room(trace)) return false;
    place = trace->recorded ? trace->record_count : trace->move_count;
    trace->lines[place] = line;
    if (nf_doc_parse(&doc)) {
        if (!json_is_object(doc.root))
            nf_error(&doc, "", "an object is expected on each line");
        else if (!trace->headed)
            read_header(&doc, trace);
        else if (trace->recorded)
            read_record(&doc, trace);
        else
            read_move(&doc, trace);
        json_decref(doc.root);
    }
    *failed |= doc.failed;
    return true;
}

static bool is_blank(const char *text, size_t length)
{
    for (size_t i = 0; i < length; i++)
        if (!strchr(" \t\r", text[i])) return false;
    return true;
}

/* All lines; a wrong one does not keep the later ones from being read, a wrong header does. */
static nplug_result read_lines(nplug_trace *trace, size_t length, nplug_notes *notes)
{
    nf_place whole = {0, 0};
    line_of line = {0, 0, 1};
    bool failed = false;

    for (; line.at < length; line.at += line.length + 1, line.number++) {
        const char *end = (const char *)memchr(trace->text + line.at, '\n', length - line.at);
        line.length = end ? (size_t)(end - trace->text) - line.at : length - line.at;
        if (is_blank(trace->text + line.at, line.length)) continue;
        if (!read_line(trace, line, notes, &failed)) return NPLUG_ERR_MEMORY;
        if (!trace->headed) return NPLUG_ERR_FORMAT;
    }
    if (!trace->headed) {
        nf_notes_add(notes, whole, false,
                     "is empty: {\"nestplug\": \"trace\", \"version\": 1} is expected first");
        failed = true;
    }
    return failed ? NPLUG_ERR_FORMAT : NPLUG_OK;
}

static nplug_result parse_owned(char *text, size_t length, nplug_trace **out, nplug_notes *notes)
{
    nplug_trace *trace = (nplug_trace *)calloc(1, sizeof *trace);
    nplug_result result = NPLUG_ERR_MEMORY;

    if (trace) {
        trace->text = text;
        result = read_lines(trace, length, notes);
        if (result == NPLUG_OK)
            *out = trace;
        else
            nplug_trace_free(trace);
    } else {
        free(text);
    }
    return result;
}

nplug_result nplug_trace_read(const char *path, nplug_trace **trace, nplug_notes *notes)
{
    nplug_result result;
    size_t length;
    char *text;

    if (!path || !trace || !notes) return NPLUG_ERR_ARGUMENT;
    *trace = NULL;
    nf_notes_begin(notes, path);
    text = nf_read_file(path, &length, notes, &result);
    return text ? parse_owned(text, length, trace, notes) : result;
}

nplug_result nplug_trace_parse(const char *text, size_t length, const char *name,
                               nplug_trace **trace, nplug_notes *notes)
{
    char *copy;

    if (!text || !name || !trace || !notes) return NPLUG_ERR_ARGUMENT;
    *trace = NULL;
    nf_notes_begin(notes, name);
    copy = (char *)malloc(length + 1);
    if (!copy) return NPLUG_ERR_MEMORY;
    memcpy(copy, text, length);
    copy[length] = 0;
    return parse_owned(copy, length, trace, notes);
}

void nplug_trace_free(nplug_trace *trace)
{
    if (!trace) return;
    for (size_t i = 0; i < trace->move_count; i++) {
        json_decref(trace->roots[i]);
        free((void *)(uintptr_t)trace->moves[i].pose);
    }
    free(trace->roots);
    free(trace->moves);
    free(trace->records);
    free(trace->lines);
    free(trace->text);
    free(trace);
}

const nplug_move *nplug_trace_moves(const nplug_trace *trace, size_t *count)
{
    *count = trace->move_count;
    return trace->moves;
}

const nplug_record *nplug_trace_records(const nplug_trace *trace, size_t *count)
{
    *count = trace->record_count;
    return trace->records;
}

nplug_result nplug_trace_info(const nplug_trace *trace, nplug_trace_facts *facts)
{
    nplug_trace_facts known;

    if (!trace || !facts) return NPLUG_ERR_ARGUMENT;
    known = trace->header;
    known.recorded = trace->recorded;
    return np_size_give(facts, NP_FIRST(nplug_trace_facts, given), &known, sizeof known);
}

nplug_result nplug_trace_limits(const nplug_trace *trace, nplug_limits *limits)
{
    if (!trace || !limits) return NPLUG_ERR_ARGUMENT;
    if (!trace->recorded) return NPLUG_ERR_ORDER;
    return np_size_give(limits, NP_FIRST(nplug_limits, contacts), &trace->limits,
                        sizeof trace->limits);
}

void nplug_trace_blame(const nplug_trace *trace, size_t index, const char *member, const char *text,
                       nplug_notes *notes)
{
    size_t count = trace->recorded ? trace->record_count : trace->move_count;
    nf_place place;
    char pointer[64];

    if (index >= count) return;
    snprintf(pointer, sizeof pointer, "/%s", member);
    place = nf_locate(trace->text + trace->lines[index].at, trace->lines[index].length, pointer);
    place.line += trace->lines[index].number - 1;
    nf_notes_add(notes, place, false, text);
}

/* --- the tables, for whoever holds the schema against them ---------------------------------------
 */

const nf_object *nf_trace_object(size_t place)
{
    static const nf_object *const others[] = {&header_object, &step_object, &command_object,
                                              &report_object};

    if (place < NF_COUNT(forms)) return &forms[place].object;
    place -= NF_COUNT(forms);
    return place < NF_COUNT(others) ? others[place] : NULL;
}
