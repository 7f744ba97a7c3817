/* The published schemas say what the readers read: their tables are held against each other. */
#include "files/objects.h"
#include "support.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static const nf_object *const objects[] = {
    &nf_game_object,        &nf_zone_object,    &nf_layer_object,     &nf_action_object,
    &nf_seats_object,       &nf_sheet_object,   &nf_vector_object,    &nf_sensor_object,
    &nf_pose_object,        &nf_wire_object,    &nf_match_object,     &nf_match_axis_object,
    &nf_model_object,       &nf_signal_object,  &nf_row_object,       &nf_settings_object,
    &nf_calibration_object, &nf_profile_object, &nf_zone_wish_object, &nf_controller_object,
    &nf_hands_object,       &nf_language_object};

/* The value of a JSON Pointer whose names have no '~' and no '/'. */
static json_t *at_pointer(json_t *root, const char *pointer)
{
    char name[64];

    while (*pointer == '/') {
        size_t length = strcspn(++pointer, "/");
        ck_assert_uint_lt(length, sizeof name);
        memcpy(name, pointer, length);
        name[length] = 0;
        pointer += length;
        root = json_is_array(root) ? json_array_get(root, (size_t)atoi(name))
                                   : json_object_get(root, name);
    }
    return root;
}

static json_t *resolved(json_t *schema, json_t *value)
{
    const char *to = json_string_value(json_object_get(value, "$ref"));
    return to ? at_pointer(schema, to + 1) : value;
}

/* Whether what a schema says of a member is what its table says. */
static bool is_same_type(nf_type type, json_t *about)
{
    static const char *const types[] = {
        [NF_STRING] = "string", [NF_NUMBER] = "number", [NF_INTEGER] = "integer",
        [NF_BOOL] = "boolean",  [NF_OBJECT] = "object", [NF_ARRAY] = "array",
        [NF_ANY] = "",          [NF_WORD] = "string",   [NF_ID] = "string",
        [NF_BUS] = "string"};
    const char *said = json_string_value(json_object_get(about, "type"));
    json_t *one = json_object_get(about, "const");

    if (!one) one = json_array_get(json_object_get(about, "enum"), 0);
    if (type == NF_ANY) return true;
    if (said) return strcmp(said, types[type]) == 0;
    if (type == NF_INTEGER || type == NF_NUMBER) return json_is_number(one);
    if (type == NF_BOOL) return json_is_boolean(one);
    return json_is_string(one);
}

static void check_words(const nf_field *field, json_t *about, const char *where)
{
    json_t *list = json_object_get(about, "enum");

    ck_assert_msg(json_array_size(list) == field->count, "%s/%s: %zu words, in the schema %zu",
                  where, field->name, field->count, json_array_size(list));
    for (size_t i = 0; i < field->count; i++)
        ck_assert_msg(strcmp(json_string_value(json_array_get(list, i)), field->words[i]) == 0,
                      "%s/%s: \"%s\" is not in the schema there", where, field->name,
                      field->words[i]);
}

static void check_range(const nf_field *field, json_t *about, const char *where)
{
    json_t *least = json_object_get(about, "minimum"), *most = json_object_get(about, "maximum");

    ck_assert_msg(least && json_integer_value(least) == field->least, "%s/%s: the least is %lld",
                  where, field->name, (long long)field->least);
    ck_assert_msg(most && json_integer_value(most) == field->most, "%s/%s: the most is %lld", where,
                  field->name, (long long)field->most);
}

static bool is_listed(json_t *list, const char *name)
{
    json_t *one;
    size_t i;

    json_array_foreach(list, i, one) if (strcmp(json_string_value(one), name) == 0) return true;
    return false;
}

static void check_object(const nf_object *table)
{
    char path[256], where[160], *text;
    json_t *schema, *object, *members, *about;
    const char *name;

    snprintf(path, sizeof path, SOURCE_DIR "/schema/%s.schema.json", table->schema);
    snprintf(where, sizeof where, "%s%s", table->schema, table->at);
    text = slurp(path);
    schema = json_loads(text, 0, NULL);
    ck_assert_msg(schema != NULL, "%s", path);
    object = at_pointer(schema, table->at);
    members = json_object_get(object, "properties");
    ck_assert_msg(members != NULL, "%s is not in the schema", where);
    for (size_t i = 0; i < table->count; i++) {
        const nf_field *field = &table->fields[i];
        about = resolved(schema, json_object_get(members, field->name));
        ck_assert_msg(about != NULL, "%s/%s is not in the schema", where, field->name);
        ck_assert_msg(is_same_type(field->type, about), "%s/%s is something else in the schema",
                      where, field->name);
        ck_assert_msg(is_listed(json_object_get(object, "required"), field->name) ==
                          field->required,
                      "%s/%s: who must have it?", where, field->name);
        if (field->words) check_words(field, about, where);
        if (field->least || field->most) check_range(field, about, where);
    }
    json_object_foreach(members, name, about)
    {
        bool known = false;
        for (size_t i = 0; i < table->count; i++)
            known |= strcmp(table->fields[i].name, name) == 0;
        ck_assert_msg(known, "%s/%s is in the schema alone", where, name);
    }
    json_decref(schema);
    free(text);
}

TESTS(a_schema_says_what_its_table_reads, COUNT_OF(objects))
{
    check_object(objects[_i]);
}

TEST(a_trace_is_told_by_its_schema_line_by_line)
{
    size_t count = 0;

    for (; nf_trace_object(count); count++)
        check_object(nf_trace_object(count));
    ck_assert_uint_eq(count, 20);
}
