/* Writes the C source of the built-in models from their files, in the order given:
 * models_to_c models/heron.json ... > src/ports/sim/models_builtin.c */
#include "notes.h"
#include <stdio.h>
#include <string.h>

#define MOST 64

static const nplug_sim_model *read_or_tell(const char *path, nplug_model_file **file)
{
    nplug_notes notes;

    if (nplug_model_file_read(path, file, &notes) == NPLUG_OK && notes.count == 0)
        return nplug_model_file_model(*file);
    tell_notes(&notes);
    return NULL;
}

/* A model's name as a name of C. */
static const char *c_name(const nplug_sim_model *model)
{
    static char name[64];

    snprintf(name, sizeof name, "%s", model->name);
    for (char *at = name; *at; at++)
        if (*at == '-') *at = '_';
    return name;
}

/* The lowest 32-bit number has no literal of its own. */
static const char *number(int32_t value)
{
    static char texts[4][16];
    static unsigned next;
    char *text = texts[next++ % 4];

    if (value == INT32_MIN) return "INT32_MIN";
    snprintf(text, sizeof texts[0], "%d", (int)value);
    return text;
}

static void write_tables(const nplug_sim_model *model)
{
    printf("static const nplug_sim_signal %s_signals[] = {\n", c_name(model));
    for (uint16_t i = 0; i < model->signal_count; i++) {
        const nplug_sim_signal *signal = &model->signals[i];
        printf("    {0x%08x, %s, %s, %s, %u, %u, %u},\n", signal->code, number(signal->min),
               number(signal->rest), number(signal->max), signal->space, signal->nature,
               signal->zero_first);
    }
    printf("};\n");
    if (model->control_count)
        printf("static const nplug_sim_control %s_controls[] = {\n", c_name(model));
    for (uint16_t i = 0; i < model->control_count; i++) {
        const nplug_sim_control *control = &model->controls[i];
        printf("    {\"%s\", %u, %u, %u, %s, %s, %u, %u, %u},\n", control->name, control->signal,
               control->component, control->round, number(control->low), number(control->high),
               control->bounce_us, control->ids, control->lost);
    }
    printf(model->control_count ? "};\n\n" : "\n");
}

static void write_entry(const nplug_sim_model *model)
{
    printf("    {\"%s\", \"%s\", ", model->name, model->device);
    printf(model->key_class ? "\"%s\"," : "%s,", model->key_class ? model->key_class : "NULL");
    printf(" 0x%02x, 0x%04x, 0x%04x, 0x%04x, %u, %u,\n", model->bus, model->vendor, model->product,
           model->version, model->signal_count, model->control_count);
    printf("     %s_signals, ", c_name(model));
    printf(model->control_count ? "%s_controls, " : "NULL, ", c_name(model));
    printf("%llu, %u, %u},\n", (unsigned long long)model->interval, model->rumbles, model->lights);
}

int main(int argc, char **argv)
{
    static nplug_model_file *files[MOST];

    if (argc < 2 || argc > MOST) {
        fprintf(stderr, "usage: models_to_c MODEL.json...\n");
        return 2;
    }
    for (int i = 1; i < argc; i++)
        if (!read_or_tell(argv[i], &files[i])) return 1;
    printf("/* Generated from models/ by scripts/models_to_c.c; do not edit: ./dev sheets */\n"
           "/* clang-format off */\n"
           "#include \"nestplug/sim.h\"\n\n");
    for (int i = 1; i < argc; i++)
        write_tables(nplug_model_file_model(files[i]));
    printf("static const nplug_sim_model models[] = {\n");
    for (int i = 1; i < argc; i++) {
        write_entry(nplug_model_file_model(files[i]));
        nplug_model_file_free(files[i]);
    }
    printf("};\n\n"
           "const nplug_sim_model *nplug_sim_models(uint32_t *count)\n{\n"
           "    *count = (uint32_t)(sizeof models / sizeof *models);\n"
           "    return models;\n}\n");
    return 0;
}
