/* Writes the C source of the built-in sheets from their files, in the order given:
 * sheets_to_c sheets/heron.json ... > src/core/sheets_builtin.c */
#include "nestplug/files.h"
#include <stdio.h>
#include <string.h>

static const nplug_sheet *read_or_tell(const char *path, nplug_sheet_file **file)
{
    nplug_notes notes;
    char line[512];

    if (nplug_sheet_read(path, file, &notes) == NPLUG_OK && notes.count == 0)
        return nplug_sheet_of(*file);
    for (uint32_t i = 0; i < notes.count; i++) {
        nplug_note_text(&notes, i, line, sizeof line);
        fprintf(stderr, "%s\n", line);
    }
    return NULL;
}

/* A sheet's name as a name of C. */
static const char *c_name(const nplug_sheet *sheet)
{
    static char name[64];

    snprintf(name, sizeof name, "%s", sheet->name);
    for (char *at = name; *at; at++)
        if (*at == '-') *at = '_';
    return name;
}

static void write_tables(const nplug_sheet *sheet)
{
    printf("static const nplug_match %s_matches[] = {\n", c_name(sheet));
    for (uint32_t i = 0; i < sheet->match_count; i++)
        printf("    {0x%04x, 0x%04x, 0x%04x},\n", sheet->matches[i].bus, sheet->matches[i].vendor,
               sheet->matches[i].product);
    printf("};\n");
    if (sheet->wire_count) printf("static const nplug_wire %s_wires[] = {\n", c_name(sheet));
    for (uint32_t i = 0; i < sheet->wire_count; i++) {
        const nplug_wire *wire = &sheet->wires[i];
        char name[64];
        nplug_control_name(wire->control, name, sizeof name);
        printf("    {0x%04x, %u, %u, 0x%08x, %u, %u, %u, %d}, /* %s */\n", wire->control,
               wire->component, wire->space, wire->code, wire->reading, wire->reversed,
               wire->has_rest, (int)wire->rest, name);
    }
    if (sheet->wire_count) printf("};\n");
    printf("\n");
}

static void write_entry(const nplug_sheet *sheet)
{
    printf("    {(uint32_t)sizeof(nplug_sheet), \"%s\", \"%s\", (nplug_kind)%d, %u, %u,\n",
           sheet->name, sheet->family, (int)sheet->kind, sheet->match_count, sheet->wire_count);
    printf("     %s_matches, %s%s, %u},\n", c_name(sheet),
           sheet->wire_count ? c_name(sheet) : "NULL", sheet->wire_count ? "_wires" : "",
           sheet->keys);
}

int main(int argc, char **argv)
{
    nplug_sheet_file *files[256];

    if (argc < 2 || argc > 256) {
        fprintf(stderr, "usage: sheets_to_c SHEET.json...\n");
        return 2;
    }
    printf("/* Generated from sheets/ by scripts/sheets_to_c.c; do not edit: ./dev sheets */\n"
           "/* clang-format off */\n"
           "#include \"nestplug/sheet.h\"\n\n");
    for (int i = 1; i < argc; i++) {
        const nplug_sheet *sheet = read_or_tell(argv[i], &files[i]);
        if (!sheet) return 1;
        write_tables(sheet);
    }
    printf("static const nplug_sheet sheets[] = {\n");
    for (int i = 1; i < argc; i++) {
        write_entry(nplug_sheet_of(files[i]));
        nplug_sheet_free(files[i]);
    }
    printf("};\n\n"
           "const nplug_sheet *nplug_builtin_sheets(uint32_t *count)\n{\n"
           "    *count = (uint32_t)(sizeof sheets / sizeof *sheets);\n"
           "    return sheets;\n}\n");
    return 0;
}
