/* Simulated models from files. */
#include "codes.h"
#include "members.h"
#include <stdlib.h>
#include <stdio.h>
#include <string.h>

#define COUNT(list) (sizeof(list) / sizeof *(list))

struct nplug_model_file {
    nplug_sim_model model;
    json_t *root; /* owns the texts */
    nplug_sim_signal *signals;
    nplug_sim_control *controls;
};

/* What is being read into. */
typedef struct reader {
    nf_doc doc;
    nplug_model_file *file;
    size_t signal_room, control_room;
} reader;

static const nf_field model_fields[] = {
    {"nestplug", NF_STRING, true}, {"version", NF_INTEGER, true},  {"name", NF_STRING, true},
    {"device", NF_STRING, true},   {"bus", NF_STRING, false},      {"vendor", NF_STRING, false},
    {"product", NF_STRING, false}, {"revision", NF_STRING, false}, {"interval", NF_INTEGER, false},
    {"about", NF_STRING, false},   {"keys", NF_STRING, false},     {"signals", NF_ARRAY, false},
    {"controls", NF_OBJECT, false}};
static const nf_field signal_fields[] = {
    {"evdev", NF_STRING, false},  {"hid", NF_STRING, false},    {"w3c", NF_INTEGER, false},
    {"plain", NF_INTEGER, false}, {"openxr", NF_STRING, false}, {"slot", NF_INTEGER, false},
    {"nature", NF_STRING, false}, {"range", NF_ARRAY, false},   {"rest", NF_INTEGER, false},
    {"first", NF_INTEGER, false}};
static const nf_field row_fields[] = {
    {"evdev", NF_STRING, false},  {"hid", NF_STRING, false},     {"w3c", NF_INTEGER, false},
    {"plain", NF_INTEGER, false}, {"openxr", NF_STRING, false},  {"slot", NF_INTEGER, false},
    {"full", NF_STRING, false},   {"bounce", NF_INTEGER, false}, {"round", NF_BOOL, false}};

static const char *const letters[] = {"x", "y", "z", "qx", "qy", "qz", "qw"};

/* --- signals -------------------------------------------------------------------------------- */

static void read_nature(reader *in, const json_t *object, const char *pointer,
                        nplug_sim_signal *signal)
{
    const char *names[NPLUG_NATURE_CONTACT + 1];

    for (unsigned i = 0; i < COUNT(names); i++)
        names[i] = nplug_nature_name((nplug_nature)i);
    signal->nature =
        (uint8_t)nf_read_word(&in->doc, object, "nature", pointer, names, COUNT(names), "nature");
}

/* A button needs no range; all else says its own. */
static void read_range(reader *in, const json_t *object, const char *pointer,
                       nplug_sim_signal *signal)
{
    const json_t *range = json_object_get(object, "range"), *rest = json_object_get(object, "rest");
    json_int_t low = json_integer_value(json_array_get(range, 0));
    json_int_t high = range ? json_integer_value(json_array_get(range, 1)) : 1;
    json_int_t at = rest ? json_integer_value(rest) : signal->nature ? (low + high + 1) >> 1 : low;
    char place[300];

    snprintf(place, sizeof place, "%s/range", pointer);
    if (range && (json_array_size(range) != 2 || low < INT32_MIN || high > INT32_MAX || low > high))
        nf_error(&in->doc, place, "two raw values are expected, the lower one first");
    snprintf(place, sizeof place, "%s/rest", pointer);
    if (at < INT32_MIN || at > INT32_MAX) nf_error(&in->doc, place, "a raw value is expected");
    signal->min = (int32_t)low;
    signal->max = (int32_t)high;
    signal->rest = (int32_t)at;
}

static void add_signal(reader *in, const nplug_sim_signal *signal, const char *pointer)
{
    nplug_sim_signal *place =
        (nplug_sim_signal *)nf_one_more((void **)&in->file->signals, in->file->model.signal_count,
                                        &in->signal_room, sizeof *signal);

    if (!place || in->file->model.signal_count == UINT16_MAX) {
        nf_no_memory(&in->doc, pointer);
        return;
    }
    *place = *signal;
    in->file->model.signal_count++;
}

static void read_signal(reader *in, const json_t *object, size_t index)
{
    nplug_sim_signal signal = {0};
    char pointer[64];

    snprintf(pointer, sizeof pointer, "/signals/%u", (unsigned)index);
    if (!json_is_object(object)) {
        nf_error(&in->doc, pointer, "an object with a code is expected");
        return;
    }
    nf_check(&in->doc, object, pointer, signal_fields, COUNT(signal_fields));
    if (in->doc.failed || !nf_read_code(&in->doc, object, pointer, &signal.space, &signal.code))
        return;
    read_nature(in, object, pointer, &signal);
    read_range(in, object, pointer, &signal);
    signal.zero_first = json_object_get(object, "first") != NULL;
    add_signal(in, &signal, pointer);
}

/* A keyboard has all keys that have a usage and a W3C code. */
static void add_keys(reader *in)
{
    for (unsigned usage = 4; usage < 0xe8; usage++) {
        nplug_sim_signal signal = {(7u << 16) | usage,  0, 0, 1, NPLUG_SPACE_HID,
                                   NPLUG_NATURE_BUTTON, 0};
        unsigned parts;
        nplug_control_nature(NPLUG_CONTROL(NPLUG_CLASS_KEY, usage), &parts);
        if (parts) add_signal(in, &signal, "/keys");
    }
    in->file->model.key_class = "key";
}

/* --- controls ------------------------------------------------------------------------------- */

static bool find_signal(reader *in, const nplug_sim_signal *of, uint16_t *found)
{
    for (uint16_t i = 0; i < in->file->model.signal_count; i++) {
        if (in->file->signals[i].space != of->space || in->file->signals[i].code != of->code)
            continue;
        *found = i;
        return true;
    }
    return false;
}

static void read_row(reader *in, const char *name, const json_t *object, const char *pointer,
                     unsigned component)
{
    nplug_sim_control row = {name, 0, (uint8_t)component, 0, 0, 0, 0}, *place;
    nplug_sim_signal of = {0};
    bool low = false;

    nf_check(&in->doc, object, pointer, row_fields, COUNT(row_fields));
    if (in->doc.failed || !nf_read_code(&in->doc, object, pointer, &of.space, &of.code)) return;
    if (!find_signal(in, &of, &row.signal)) {
        nf_error(&in->doc, pointer, "the model has no such signal");
        return;
    }
    nf_is_low(&in->doc, object, "full", pointer, &low);
    row.low = low ? in->file->signals[row.signal].max : in->file->signals[row.signal].min;
    row.high = low ? in->file->signals[row.signal].min : in->file->signals[row.signal].max;
    row.round = json_is_true(json_object_get(object, "round"));
    row.bounce = (uint32_t)json_integer_value(json_object_get(object, "bounce")) * 1000u;
    place = (nplug_sim_control *)nf_one_more(
        (void **)&in->file->controls, in->file->model.control_count, &in->control_room, sizeof row);
    if (!place) {
        nf_no_memory(&in->doc, pointer);
        return;
    }
    *place = row;
    in->file->model.control_count++;
}

static void read_control(reader *in, const char *name, const json_t *object)
{
    char pointer[200], at[220];
    bool parts = false;

    snprintf(pointer, sizeof pointer, "/controls/%s", name);
    if (!json_is_object(object)) {
        nf_error(&in->doc, pointer, "an object is expected");
        return;
    }
    for (unsigned i = 0; i < COUNT(letters) && !in->doc.failed; i++) {
        const json_t *part = json_object_get(object, letters[i]);
        if (!json_is_object(part)) continue;
        snprintf(at, sizeof at, "%s/%s", pointer, letters[i]);
        read_row(in, name, part, at, i);
        parts = true;
    }
    if (!parts) read_row(in, name, object, pointer, 0);
}

/* --- the whole ------------------------------------------------------------------------------ */

static void read_head(reader *in)
{
    nplug_sim_model *model = &in->file->model;
    const json_t *root = in->doc.root, *interval = json_object_get(root, "interval");

    if (strcmp(nf_string(root, "nestplug", ""), "model") != 0)
        nf_error(&in->doc, "/nestplug", "\"model\" is expected: this file is something else");
    if (json_integer_value(json_object_get(root, "version")) != 1)
        nf_error(&in->doc, "/version", "this library reads version 1 of models");
    model->name = nf_string(root, "name", "");
    model->device = nf_string(root, "device", "");
    model->bus = nf_read_bus(&in->doc, root, "");
    model->vendor = nf_read_id(&in->doc, root, "vendor", "");
    model->product = nf_read_id(&in->doc, root, "product", "");
    model->version = nf_read_id(&in->doc, root, "revision", "");
    model->interval = interval ? (nplug_time)json_integer_value(interval) : 4000;
    if (interval && json_integer_value(interval) < 100)
        nf_error(&in->doc, "/interval", "100 microseconds or more are expected");
}

static void read_model(reader *in)
{
    const json_t *signals;
    const char *name;
    json_t *value;

    if (!json_is_object(in->doc.root)) {
        nf_error(&in->doc, "", "an object is expected");
        return;
    }
    nf_check(&in->doc, in->doc.root, "", model_fields, COUNT(model_fields));
    if (in->doc.failed) return;
    read_head(in);
    signals = json_object_get(in->doc.root, "signals");
    for (size_t i = 0; i < json_array_size(signals); i++)
        read_signal(in, json_array_get(signals, i), i);
    if (json_object_get(in->doc.root, "keys")) add_keys(in);
    json_object_foreach(json_object_get(in->doc.root, "controls"), name, value) if (!in->doc.failed)
        read_control(in, name, value);
    in->file->model.signals = in->file->signals;
    in->file->model.controls = in->file->controls;
}

nplug_result nplug_model_parse(const char *text, size_t length, const char *name,
                               nplug_model_file **out, nplug_notes *notes)
{
    reader in;

    if (!text || !name || !out || !notes) return NPLUG_ERR_ARGUMENT;
    *out = NULL;
    memset(&in, 0, sizeof in);
    in.doc = nf_doc_begin(text, length, name, notes);
    in.file = (nplug_model_file *)calloc(1, sizeof *in.file);
    if (!in.file) return NPLUG_ERR_MEMORY;
    if (nf_doc_parse(&in.doc)) read_model(&in);
    in.file->root = in.doc.root;
    if (in.doc.failed) {
        nplug_model_free(in.file);
        return NPLUG_ERR_FORMAT;
    }
    *out = in.file;
    return NPLUG_OK;
}

nplug_result nplug_model_read(const char *path, nplug_model_file **file, nplug_notes *notes)
{
    nplug_result result;
    size_t length;
    char *text;

    if (!path || !file || !notes) return NPLUG_ERR_ARGUMENT;
    *file = NULL;
    nf_notes_begin(notes, path);
    text = nf_read_file(path, &length, notes);
    if (!text) return NPLUG_ERR_FILE;
    result = nplug_model_parse(text, length, path, file, notes);
    free(text);
    return result;
}

const nplug_sim_model *nplug_model_of(const nplug_model_file *file)
{
    return file ? &file->model : NULL;
}

void nplug_model_free(nplug_model_file *file)
{
    if (!file) return;
    json_decref(file->root);
    free(file->signals);
    free(file->controls);
    free(file);
}
