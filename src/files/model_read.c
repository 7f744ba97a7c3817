/* Simulated models from files. */
#include "codes.h"
#include "document.h"
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
    nf_doc *doc;
    nplug_model_file *file;
    size_t signal_room, control_room;
} reader;

static const nf_field model_fields[] = {
    NF_MUST("nestplug", NF_STRING),
    NF_MUST("version", NF_INTEGER),
    {.name = "name", .type = NF_STRING, .required = true, NF_INTO(nplug_sim_model, name)},
    {.name = "device", .type = NF_STRING, .required = true, NF_INTO(nplug_sim_model, device)},
    {.name = "bus", .type = NF_BUS, NF_INTO(nplug_sim_model, bus)},
    {.name = "vendor", .type = NF_ID, NF_INTO(nplug_sim_model, vendor)},
    {.name = "product", .type = NF_ID, NF_INTO(nplug_sim_model, product)},
    {.name = "revision", .type = NF_ID, NF_INTO(nplug_sim_model, version)},
    {.name = "interval",
     .type = NF_INTEGER,
     NF_INTO(nplug_sim_model, interval),
     .least = 100,
     .most = 3600000000,
     .expected = "100 microseconds or more are expected",
     .otherwise = 4000},
    {.name = "rumbles", .type = NF_BOOL, NF_INTO(nplug_sim_model, rumbles)},
    {.name = "lights", .type = NF_BOOL, NF_INTO(nplug_sim_model, lights)},
    NF_HAND("about", NF_STRING),
    NF_HAND("keys", NF_STRING),
    NF_HAND("signals", NF_ARRAY),
    NF_HAND("controls", NF_OBJECT)};
const nf_object nf_model_object = NF_OBJECT_OF(model_fields, "model", "");

#define CODES                                                                                      \
    NF_HAND("evdev", NF_STRING), NF_HAND("hid", NF_STRING), NF_HAND("w3c", NF_INTEGER),            \
        NF_HAND("plain", NF_INTEGER), NF_HAND("openxr", NF_STRING), NF_HAND("slot", NF_INTEGER)

static const nf_field signal_fields[] = {CODES, NF_HAND("nature", NF_STRING),
                                         NF_HAND("range", NF_ARRAY), NF_HAND("rest", NF_INTEGER),
                                         NF_HAND("first", NF_INTEGER)};
const nf_object nf_signal_object = NF_OBJECT_OF(signal_fields, "model", "/$defs/signal");
static const nf_field row_fields[] = {
    CODES,
    NF_HAND("full", NF_STRING),
    {.name = "bounce",
     .type = NF_INTEGER,
     NF_INTO(nplug_sim_control, bounce_us),
     .least = 0,
     .most = 500,
     .expected = "0 to 500 milliseconds are expected"},
    {.name = "ids",
     .type = NF_INTEGER,
     NF_INTO(nplug_sim_control, ids),
     .least = 0,
     .most = 65536,
     .expected = "0 to 65536 numbers are expected"},
    {.name = "lost",
     .type = NF_INTEGER,
     NF_INTO(nplug_sim_control, lost),
     .least = 0,
     .most = 65536,
     .expected = "0 to 65536 is expected"},
    {.name = "round", .type = NF_BOOL, NF_INTO(nplug_sim_control, round)}};
const nf_object nf_row_object = NF_OBJECT_OF(row_fields, "model", "/$defs/row");

/* --- signals -------------------------------------------------------------------------------- */

static void read_nature(reader *in, const json_t *object, const char *pointer,
                        nplug_sim_signal *signal)
{
    const char *names[NPLUG_NATURE_CONTACT + 1];

    for (unsigned i = 0; i < COUNT(names); i++)
        names[i] = nplug_nature_name((nplug_nature)i);
    signal->nature =
        (uint8_t)nf_read_word(in->doc, object, "nature", pointer, names, COUNT(names), "nature");
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
        nf_error(in->doc, place, "two raw values are expected, the lower one first");
    snprintf(place, sizeof place, "%s/rest", pointer);
    if (at < INT32_MIN || at > INT32_MAX) nf_error(in->doc, place, "a raw value is expected");
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
        nf_no_memory(in->doc, pointer);
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
    if (!nf_check(in->doc, object, pointer, &nf_signal_object) ||
        !nf_read_code(in->doc, object, pointer, &signal.space, &signal.code))
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

/* The ends between which a control moves its signal; what moves without ends has one count either
 * way. */
static void set_ends(const nplug_sim_signal *signal, bool low, nplug_sim_control *row)
{
    bool endless = signal->nature == NPLUG_NATURE_DELTA;
    int32_t least = endless ? -1 : signal->min, most = endless ? 1 : signal->max;

    row->low = low ? most : least;
    row->high = low ? least : most;
}

static void read_row(reader *in, const char *name, const json_t *object, const char *pointer,
                     unsigned component)
{
    nplug_sim_control row = {.name = name, .component = (uint8_t)component}, *place;
    nplug_sim_signal of = {0};
    bool low = false;

    if (!nf_read(in->doc, object, pointer, &nf_row_object, &row)) return;
    if (!nf_read_code(in->doc, object, pointer, &of.space, &of.code)) return;
    if (!find_signal(in, &of, &row.signal)) {
        nf_error(in->doc, pointer, "the model has no such signal");
        return;
    }
    nf_is_low(in->doc, object, "full", pointer, &low);
    set_ends(&in->file->signals[row.signal], low, &row);
    row.bounce_us *= 1000u;
    place = (nplug_sim_control *)nf_one_more(
        (void **)&in->file->controls, in->file->model.control_count, &in->control_room, sizeof row);
    if (!place) {
        nf_no_memory(in->doc, pointer);
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
        nf_error(in->doc, pointer, "an object is expected");
        return;
    }
    for (unsigned i = 0; i < NF_COMPONENTS && !in->doc->failed; i++) {
        const json_t *part = json_object_get(object, nf_component_names[i]);
        if (!json_is_object(part)) continue;
        snprintf(at, sizeof at, "%s/%s", pointer, nf_component_names[i]);
        read_row(in, name, part, at, i);
        parts = true;
    }
    if (!parts) read_row(in, name, object, pointer, 0);
}

/* --- the whole ------------------------------------------------------------------------------ */

static void read_model(nf_doc *doc, void *made)
{
    const json_t *signals = json_object_get(doc->root, "signals");
    const char *name;
    json_t *value;
    reader in;

    memset(&in, 0, sizeof in);
    in.doc = doc;
    in.file = (nplug_model_file *)made;
    nf_fill(doc, doc->root, "", &nf_model_object, &in.file->model);
    for (size_t i = 0; i < json_array_size(signals); i++)
        read_signal(&in, json_array_get(signals, i), i);
    if (json_object_get(doc->root, "keys")) add_keys(&in);
    json_object_foreach(json_object_get(doc->root, "controls"), name, value) if (!doc->failed)
        read_control(&in, name, value);
    in.file->model.signals = in.file->signals;
    in.file->model.controls = in.file->controls;
}

static void free_model(void *file)
{
    nplug_model_file_free((nplug_model_file *)file);
}

static const nf_sort models = {.word = "model",
                               .many = "models",
                               .version = 1,
                               .object = &nf_model_object,
                               .size = sizeof(nplug_model_file),
                               .root = offsetof(nplug_model_file, root),
                               .read = read_model,
                               .free = free_model};

nplug_result nplug_model_file_parse(const char *text, size_t length, const char *name,
                                    nplug_model_file **out, nplug_notes *notes)
{
    void *made = NULL;
    nplug_result result = nf_parse(&models, text, length, name, out ? &made : NULL, notes);

    if (out) *out = (nplug_model_file *)made;
    return result;
}

nplug_result nplug_model_file_read(const char *path, nplug_model_file **file, nplug_notes *notes)
{
    void *made = NULL;
    nplug_result result = nf_parse_file(&models, path, file ? &made : NULL, notes);

    if (file) *file = (nplug_model_file *)made;
    return result;
}

const nplug_sim_model *nplug_model_file_model(const nplug_model_file *file)
{
    return file ? &file->model : NULL;
}

void nplug_model_file_free(nplug_model_file *file)
{
    if (!file) return;
    json_decref(file->root);
    free(file->signals);
    free(file->controls);
    free(file);
}
