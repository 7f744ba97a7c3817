/* Settings: what is kept for players from one run to the next. */
#include "codes.h"
#include "document.h"
#include "nestplug/device.h"
#include "profiles.h"
#include "sheet_json.h"
#include "whole_file.h"
#include "nestplug/files.h"
#include <inttypes.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define SETTINGS_VERSION 2

struct nplug_settings {
    json_t *root; /* whole, with what is not known here */
    nplug_calibration *calibrations;
    size_t calibration_count, calibration_room;
    nplug_sheet_file **files;
    nplug_sheet *sheets;
    size_t sheet_count, file_count;
};

static const nf_field settings_fields[] = {
    NF_MUST("nestplug", NF_STRING), NF_MUST("version", NF_INTEGER),
    NF_HAND("about", NF_STRING),    NF_HAND("calibrations", NF_ARRAY),
    NF_HAND("sheets", NF_ARRAY),    NF_HAND("profiles", NF_OBJECT)};
const nf_object nf_settings_object = NF_OBJECT_OF(settings_fields, "settings", "");

#define RAW                                                                                        \
    .type = NF_INTEGER, .required = true, .least = INT32_MIN, .most = INT32_MAX,                   \
    .expected = "a raw value of 32 bits is expected"

static const nf_field calibration_fields[] = {
    NF_MUST("device", NF_STRING),
    {.name = "space",
     .type = NF_WORD,
     .required = true,
     NF_INTO(nplug_calibration, space),
     .words = nf_space_names,
     .count = NP_SPACES,
     .sort = "code space"},
    {.name = "code",
     .type = NF_INTEGER,
     .required = true,
     NF_INTO(nplug_calibration, code),
     .least = 0,
     .most = UINT32_MAX,
     .expected = "a code of 32 bits is expected"},
    NF_HAND("signal", NF_STRING),
    {.name = "rest", NF_INTO(nplug_calibration, rest), RAW},
    {.name = "low", NF_INTO(nplug_calibration, low), RAW},
    {.name = "high", NF_INTO(nplug_calibration, high), RAW}};
const nf_object nf_calibration_object =
    NF_OBJECT_OF(calibration_fields, "settings", "/properties/calibrations/items");

/* --- reading -------------------------------------------------------------------------------- */

static uint64_t read_key(nf_doc *doc, const json_t *object, const char *pointer)
{
    const char *text = nf_string(object, "device", "");
    char *end, at[96];
    unsigned long long key = strtoull(text, &end, 16);

    if (*text && !*end && key) return key;
    snprintf(at, sizeof at, "%s/device", pointer);
    nf_error(doc, at, "a device's key in hexadecimal is expected");
    return 0;
}

static void add_calibration(nplug_settings *settings, const nplug_calibration *one)
{
    nplug_calibration *place = (nplug_calibration *)nf_one_more(
        (void **)&settings->calibrations, settings->calibration_count, &settings->calibration_room,
        sizeof *one);

    if (!place) return;
    *place = *one;
    settings->calibration_count++;
}

static void read_calibration(nf_doc *doc, nplug_settings *settings, const json_t *object,
                             size_t index)
{
    nplug_calibration one;
    char pointer[64], at[96];

    memset(&one, 0, sizeof one);
    snprintf(pointer, sizeof pointer, "/calibrations/%u", (unsigned)index);
    if (!nf_read(doc, object, pointer, &nf_calibration_object, &one)) return;
    one.device = read_key(doc, object, pointer);
    snprintf(at, sizeof at, "%s/rest", pointer);
    if (one.low >= one.high || one.rest < one.low || one.rest > one.high)
        nf_error(doc, at, "\"low\", \"rest\" and \"high\" must rise");
    if (!doc->failed) add_calibration(settings, &one);
}

/* A sheet inside is read as a file of its own; its notes lose their place in this one, so the place
 * of the whole sheet is told. */
static void read_sheet(nf_doc *doc, nplug_settings *settings, const json_t *object, size_t index)
{
    char *text = json_dumps(object, JSON_ENCODE_ANY), pointer[64];
    nplug_notes notes;

    snprintf(pointer, sizeof pointer, "/sheets/%u", (unsigned)index);
    settings->files[index] = NULL;
    if (text && nplug_sheet_file_parse(text, strlen(text), "sheet", &settings->files[index],
                                       &notes) == NPLUG_OK) {
        settings->sheets[settings->sheet_count++] = *nplug_sheet_file_sheet(settings->files[index]);
    } else {
        nf_error(doc, pointer, "this sheet is wrong: %s",
                 text && notes.count ? notes.note[0].text : "there is no memory left");
    }
    free(text);
}

static void read_lists(nf_doc *doc, nplug_settings *settings)
{
    const json_t *calibrations = json_object_get(doc->root, "calibrations");
    const json_t *sheets = json_object_get(doc->root, "sheets");
    size_t count = json_array_size(sheets);

    for (size_t i = 0; i < json_array_size(calibrations); i++)
        read_calibration(doc, settings, json_array_get(calibrations, i), i);
    settings->files = (nplug_sheet_file **)calloc(count + 1, sizeof *settings->files);
    settings->sheets = (nplug_sheet *)calloc(count + 1, sizeof *settings->sheets);
    for (size_t i = 0; settings->files && settings->sheets && i < count;
         i++, settings->file_count++)
        read_sheet(doc, settings, json_array_get(sheets, i), i);
}

static void read_settings(nf_doc *doc, void *made)
{
    if (json_integer_value(json_object_get(doc->root, "version")) == 1) nf_profiles_migrate(doc);
    nf_profiles_check(doc);
    if (!doc->failed) read_lists(doc, (nplug_settings *)made);
}

static void free_settings(void *settings)
{
    nplug_settings_free((nplug_settings *)settings);
}

static const nf_sort sort_of_settings = {.word = "settings",
                                         .many = "settings",
                                         .version = SETTINGS_VERSION,
                                         .object = &nf_settings_object,
                                         .size = sizeof(nplug_settings),
                                         .root = offsetof(nplug_settings, root),
                                         .read = read_settings,
                                         .free = free_settings};

nplug_result nplug_settings_parse(const char *text, size_t length, const char *name,
                                  nplug_settings **out, nplug_notes *notes)
{
    void *made = NULL;
    nplug_result result =
        nf_parse(&sort_of_settings, text, length, name, out ? &made : NULL, notes);

    if (out) *out = (nplug_settings *)made;
    return result;
}

nplug_result nplug_settings_read(const char *path, nplug_settings **settings, nplug_notes *notes)
{
    void *made = NULL;
    nplug_result result = nf_parse_file(&sort_of_settings, path, settings ? &made : NULL, notes);

    if (settings) *settings = (nplug_settings *)made;
    return result;
}

nplug_settings *nplug_settings_new(void)
{
    static const char empty[] = "{\"nestplug\": \"settings\", \"version\": 2}";
    nplug_settings *settings;
    nplug_notes notes;

    nplug_settings_parse(empty, sizeof empty - 1, "settings", &settings, &notes);
    return settings;
}

void nplug_settings_free(nplug_settings *settings)
{
    if (!settings) return;
    for (size_t i = 0; i < settings->file_count; i++)
        nplug_sheet_file_free(settings->files[i]);
    json_decref(settings->root);
    free(settings->calibrations);
    free(settings->files);
    free(settings->sheets);
    free(settings);
}

nplug_result nplug_settings_use(const nplug_settings *settings, nplug_nest *nest)
{
    nplug_result result;

    if (!settings || !nest) return NPLUG_ERR_ARGUMENT;
    result =
        nplug_use_calibrations(nest, settings->calibrations, (uint32_t)settings->calibration_count);
    if (result != NPLUG_OK || settings->sheet_count == 0) return result;
    return nplug_add_sheets(nest, settings->sheets, (uint32_t)settings->sheet_count);
}

/* --- keeping -------------------------------------------------------------------------------- */

/* The array of that name, made where it is not there yet. */
static json_t *list_of(nplug_settings *settings, const char *name)
{
    json_t *list = json_object_get(settings->root, name);

    if (list) return list;
    json_object_set_new(settings->root, name, json_array());
    return json_object_get(settings->root, name);
}

static json_t *calibration_json(const nplug_calibration *one)
{
    char key[24], name[64];

    snprintf(key, sizeof key, "%016" PRIx64, one->device);
    nplug_code_name((nplug_space)one->space, one->code, name, sizeof name);
    return json_pack("{s:s, s:s, s:I, s:s, s:i, s:i, s:i}", "device", key, "space",
                     nf_space_names[one->space < NP_SPACES ? one->space : 0], "code",
                     (json_int_t)one->code, "signal", name, "rest", (int)one->rest, "low",
                     (int)one->low, "high", (int)one->high);
}

/* What was known of a device goes. */
static void forget(json_t *list, uint64_t key)
{
    for (size_t i = json_array_size(list); i-- > 0;)
        if (strtoull(nf_string(json_array_get(list, i), "device", "0"), NULL, 16) == key)
            json_array_remove(list, i);
}

static void keep_device(json_t *list, const nplug_nest *nest, nplug_device device)
{
    NPLUG_SIZED(nplug_calibration_facts, axis);

    if (nplug_calibration_info(nest, device, 0, &axis) != NPLUG_OK) return;
    forget(list, axis.now.device);
    for (uint32_t i = 0; nplug_calibration_info(nest, device, i, &axis) == NPLUG_OK; i++)
        json_array_append_new(list, calibration_json(&axis.now));
}

nplug_result nplug_settings_keep(nplug_settings *settings, const nplug_nest *nest)
{
    json_t *list;

    if (!settings || !nest) return NPLUG_ERR_ARGUMENT;
    list = list_of(settings, "calibrations");
    if (!list) return NPLUG_ERR_MEMORY;
    for (uint32_t i = 0; i < nplug_device_count(nest); i++)
        keep_device(list, nest, nplug_device_at(nest, i));
    return NPLUG_OK;
}

nplug_result nplug_settings_keep_sheet(nplug_settings *settings, const nplug_sheet *sheet)
{
    json_t *kept, *old = settings ? json_object_get(settings->root, "sheets") : NULL;

    if (!settings || !sheet || sheet->size != sizeof *sheet) return NPLUG_ERR_ARGUMENT;
    kept = json_array();
    if (!kept) return NPLUG_ERR_MEMORY;
    for (size_t i = 0; i < json_array_size(old); i++)
        if (strcmp(nf_string(json_array_get(old, i), "name", ""), sheet->name) != 0)
            json_array_append(kept, json_array_get(old, i));
    json_array_append_new(kept, nf_sheet_json(sheet));
    return json_object_set_new(settings->root, "sheets", kept) == 0 ? NPLUG_OK : NPLUG_ERR_MEMORY;
}

/* --- profiles ------------------------------------------------------------------------------- */

nplug_result nplug_settings_keep_player(nplug_settings *settings, const nplug_nest *nest,
                                        nplug_player player, const char *profile)
{
    if (!settings || !nest || !player || !profile || !*profile) return NPLUG_ERR_ARGUMENT;
    return nf_profile_keep(settings->root, nest, player, profile);
}

nplug_result nplug_settings_use_player(const nplug_settings *settings, nplug_nest *nest,
                                       nplug_player player, const char *profile)
{
    if (!settings || !nest || !player || !profile) return NPLUG_ERR_ARGUMENT;
    return nf_profile_use(settings->root, nest, player, profile);
}

nplug_result nplug_settings_copy_profile(nplug_settings *settings, const char *from, const char *to)
{
    if (!settings || !to || !*to) return NPLUG_ERR_ARGUMENT;
    return nf_profile_copy(settings->root, from, to);
}

nplug_result nplug_settings_keep_learnt(nplug_settings *settings, const char *profile,
                                        const char *play, const char *action, uint32_t done)
{
    if (!settings || !profile || !*profile || !play || !action || !*action)
        return NPLUG_ERR_ARGUMENT;
    return nf_profile_keep_learnt(settings->root, profile, play, action, done);
}

uint32_t nplug_settings_learnt(const nplug_settings *settings, const char *profile,
                               const char *play, const char *action)
{
    if (!settings || !profile || !play || !action) return 0;
    return nf_profile_learnt(settings->root, profile, play, action);
}

nplug_result nplug_settings_forget_learnt(nplug_settings *settings, const char *profile,
                                          const char *play)
{
    if (!settings || !profile) return NPLUG_ERR_ARGUMENT;
    nf_profile_forget_learnt(settings->root, profile, play);
    return NPLUG_OK;
}

uint32_t nplug_settings_profile_count(const nplug_settings *settings)
{
    return settings ? (uint32_t)json_object_size(json_object_get(settings->root, "profiles")) : 0;
}

const char *nplug_settings_profile_at(const nplug_settings *settings, uint32_t index)
{
    json_t *profiles = settings ? json_object_get(settings->root, "profiles") : NULL;
    const char *name;
    json_t *profile;

    json_object_foreach(profiles, name, profile) if (index-- == 0) return name;
    return NULL;
}

size_t nplug_settings_text(const nplug_settings *settings, char *buffer, size_t size)
{
    char *text = settings ? json_dumps(settings->root, JSON_INDENT(2)) : NULL;
    size_t length = text ? strlen(text) : 0;

    if (buffer && size) snprintf(buffer, size, "%s", text ? text : "");
    free(text);
    return length;
}

nplug_result nplug_settings_write(const nplug_settings *settings, const char *path)
{
    if (!settings || !path) return NPLUG_ERR_ARGUMENT;
    return nf_write_whole(path, settings->root);
}
