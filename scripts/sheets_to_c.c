/* Writes the C source of the built-in sheets from their files, in the order given:
 * sheets_to_c sheets/heron.json ... > src/core/device/sheets_builtin.c */
#include "notes.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* None are built into the program that makes them. */
const nplug_sheet *nplug_builtin_sheets(uint32_t *count)
{
    *count = 0;
    return NULL;
}

static const nplug_sheet *read_or_tell(const char *path, nplug_sheet_file **file)
{
    nplug_notes notes;

    if (nplug_sheet_file_read(path, file, &notes) == NPLUG_OK && notes.count == 0)
        return nplug_sheet_file_sheet(*file);
    tell_notes(&notes);
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

static void write_codes(const nplug_sheet *sheet)
{
    bool any = false;

    for (uint32_t i = 0; i < sheet->rule_count; i++)
        any |= sheet->rules[i].has_count + sheet->rules[i].lacks_count != 0;
    if (!any) return;
    printf("static const uint32_t %s_codes[] = {", c_name(sheet));
    for (uint32_t i = 0; i < sheet->rule_count; i++)
        for (uint32_t c = 0; c < sheet->rules[i].has_count + (uint32_t)sheet->rules[i].lacks_count;
             c++)
            printf("0x%08x, ", sheet->rules[i].has[c]);
    printf("};\n");
}

static void write_matches(const nplug_sheet *sheet)
{
    uint32_t at = 0;

    printf("static const nplug_rule %s_matches[] = {\n", c_name(sheet));
    for (uint32_t i = 0; i < sheet->rule_count; i++) {
        const nplug_rule *match = &sheet->rules[i];
        printf("    {0x%04x, 0x%04x, 0x%04x, 0x%04x, %u, %u, %u, %u, ", match->bus, match->vendor,
               match->product, match->version, match->kind, match->space, match->has_count,
               match->lacks_count);
        if (match->has_count + match->lacks_count)
            printf("%s_codes + %u, %s_codes + %u, ", c_name(sheet), at, c_name(sheet),
                   at + match->has_count);
        else
            printf("NULL, NULL, ");
        printf("0x%08x, %d, %d},\n", match->axis, (int)match->fuzz, (int)match->flat);
        at += match->has_count + (uint32_t)match->lacks_count;
    }
    printf("};\n");
}

static void write_wires(const nplug_sheet *sheet)
{
    if (!sheet->wire_count) return;
    printf("static const nplug_wire %s_wires[] = {\n", c_name(sheet));
    for (uint32_t i = 0; i < sheet->wire_count; i++) {
        const nplug_wire *wire = &sheet->wires[i];
        char name[64];
        nplug_control_name(wire->control, name, sizeof name);
        printf("    {0x%04x, %u, %u, 0x%08x, %u, %u, %u, %u, %d, %d, %d}, /* %s */\n",
               wire->control, wire->component, wire->space, wire->code, wire->reading, wire->flags,
               wire->node, wire->debounce_ms, (int)wire->rest, (int)wire->min, (int)wire->max,
               name);
    }
    printf("};\n");
}

/* A text as a string of C. */
static void write_text(const char *text)
{
    putchar('"');
    for (; *text; text++) {
        unsigned char byte = (unsigned char)*text;
        if (byte < 0x20 || byte > 0x7e || byte == '"' || byte == '\\')
            printf("\\%03o", byte);
        else
            putchar(byte);
    }
    putchar('"');
}

static void write_prints(const nplug_sheet *sheet)
{
    if (!sheet->print_count) return;
    printf("static const nplug_print %s_prints[] = {\n", c_name(sheet));
    for (uint32_t i = 0; i < sheet->print_count; i++) {
        printf("    {0x%04x, ", sheet->prints[i].control);
        write_text(sheet->prints[i].text);
        printf("},\n");
    }
    printf("};\n");
}

static void write_tables(const nplug_sheet *sheet)
{
    write_codes(sheet);
    write_matches(sheet);
    write_wires(sheet);
    write_prints(sheet);
    printf("\n");
}

static void write_entry(const nplug_sheet *sheet)
{
    printf("    {(uint32_t)sizeof(nplug_sheet), %u, \"%s\", \"%s\",\n", sheet->kind, sheet->name,
           sheet->family);
    printf("     %s_matches, ", c_name(sheet));
    printf(sheet->wire_count ? "%s_wires, " : "NULL, ", c_name(sheet));
    printf(sheet->print_count ? "%s_prints,\n     " : "NULL,\n     ", c_name(sheet));
    printf("%u, %u, %u, %u, %u, ", sheet->rule_count, sheet->wire_count, sheet->print_count,
           sheet->keys, sheet->confirm);
    printf("sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},\n");
}

/* Tells of two rules that could both fit a device, neither being surer: nobody could say then which
 * sheet holds. */
static bool tell_ties(const nplug_sheet *a, const nplug_sheet *b)
{
    bool any = false;

    for (uint32_t i = 0; i < a->rule_count; i++)
        for (uint32_t j = 0; j < b->rule_count; j++) {
            if (!nplug_rules_tie(a, i, b, j)) continue;
            fprintf(stderr, "rule %u of %s and rule %u of %s could both fit one device\n", i + 1,
                    a->name, j + 1, b->name);
            any = true;
        }
    return any;
}

/* Whether the sheets can live side by side: all pairs of rules are looked at. */
static bool check_ties(const nplug_sheet *sheets, int count)
{
    bool any = false;

    for (int i = 0; i < count; i++)
        for (int j = i + 1; j < count; j++)
            any |= tell_ties(&sheets[i], &sheets[j]);
    return !any;
}

int main(int argc, char **argv)
{
    static nplug_sheet_file *files[256];
    static nplug_sheet sheets[256];

    if (argc < 2 || argc > 256) {
        fprintf(stderr, "usage: sheets_to_c SHEET.json...\n");
        return 2;
    }
    for (int i = 1; i < argc; i++) {
        const nplug_sheet *sheet = read_or_tell(argv[i], &files[i]);
        if (!sheet) return 1;
        sheets[i - 1] = *sheet;
    }
    if (!check_ties(sheets, argc - 1)) return 1;
    printf("/* Generated from sheets/ by scripts/sheets_to_c.c; do not edit: ./dev sheets */\n"
           "/* clang-format off */\n"
           "#include \"nestplug/sheet.h\"\n\n");
    for (int i = 1; i < argc; i++)
        write_tables(&sheets[i - 1]);
    printf("static const nplug_sheet sheets[] = {\n");
    for (int i = 1; i < argc; i++) {
        write_entry(&sheets[i - 1]);
        nplug_sheet_file_free(files[i]);
    }
    printf("};\n\n"
           "const nplug_sheet *nplug_builtin_sheets(uint32_t *count)\n{\n"
           "    *count = (uint32_t)(sizeof sheets / sizeof *sheets);\n"
           "    return sheets;\n}\n");
    return 0;
}
