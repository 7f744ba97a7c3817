/* Writes the C source of the built-in languages from their files, in the order given:
 * languages_to_c languages/de.json ... > src/prompts/languages_builtin.c */
#include "notes.h"
#include <stdio.h>
#include <string.h>

#define MOST 64

static const nplug_language *read_or_tell(const char *path, nplug_language_file **file)
{
    nplug_notes notes;

    if (nplug_language_file_read(path, file, &notes) == NPLUG_OK && notes.count == 0)
        return nplug_language_file_language(*file);
    tell_notes(&notes);
    return NULL;
}

/* A tag as a name of C. */
static const char *c_name(const nplug_language *language)
{
    static char name[64];

    snprintf(name, sizeof name, "words_%s", language->tag);
    for (char *at = name; *at; at++)
        if (*at == '-') *at = '_';
    return name;
}

/* Compilers may read source files in any encoding, so bytes beyond ASCII are numbers. */
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

static void write_words(const nplug_language *language)
{
    printf("static const nplug_word %s[] = {\n", c_name(language));
    for (uint32_t i = 0; i < language->count; i++) {
        const nplug_word *word = &language->list[i];
        printf("    {\"%s\", ", word->thing);
        write_text(word->label);
        printf(",\n     ");
        if (strcmp(word->label, word->words) == 0)
            printf("NULL");
        else
            write_text(word->words);
        printf("},\n");
    }
    printf("};\n\n");
}

static void write_entry(const nplug_language *language)
{
    printf("    {(uint32_t)sizeof(nplug_language), %u, \"%s\", %s, %u, 0, NULL},\n",
           language->right_to_left, language->tag, c_name(language), language->count);
}

int main(int argc, char **argv)
{
    static nplug_language_file *files[MOST];

    if (argc < 2 || argc > MOST) {
        fprintf(stderr, "usage: languages_to_c LANGUAGE.json...\n");
        return 2;
    }
    for (int i = 1; i < argc; i++)
        if (!read_or_tell(argv[i], &files[i])) return 1;
    printf(
        "/* Generated from languages/ by scripts/languages_to_c.c; do not edit: ./dev sheets */\n"
        "/* clang-format off */\n"
        "#include \"prompts.h\"\n\n");
    for (int i = 1; i < argc; i++)
        write_words(nplug_language_file_language(files[i]));
    printf("const nplug_language nq_languages[] = {\n");
    for (int i = 1; i < argc; i++) {
        write_entry(nplug_language_file_language(files[i]));
        nplug_language_file_free(files[i]);
    }
    printf("};\n\nconst uint32_t nq_language_count = %d;\n", argc - 1);
    return 0;
}
