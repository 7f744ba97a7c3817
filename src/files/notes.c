#include "notes.h"
#include <errno.h>
#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

void nf_notes_begin(nplug_notes *notes, const char *file)
{
    memset(notes, 0, sizeof *notes);
    snprintf(notes->file, sizeof notes->file, "%s", file);
}

void nf_notes_add(nplug_notes *notes, nf_place place, bool warning, const char *text)
{
    nplug_note *note;

    if (notes->count == sizeof notes->note / sizeof *notes->note) {
        notes->more++;
        return;
    }
    note = &notes->note[notes->count++];
    note->line = place.line;
    note->column = place.column;
    note->warning = warning;
    snprintf(note->text, sizeof note->text, "%s", text);
}

size_t nplug_note_text(const nplug_notes *notes, uint32_t index, char *buffer, size_t size)
{
    const nplug_note *note;
    const char *sort;
    int length;

    if (!notes || index >= notes->count) {
        if (buffer && size) buffer[0] = 0;
        return 0;
    }
    note = &notes->note[index];
    sort = note->warning ? "warning: " : "";
    if (note->line)
        length = snprintf(buffer, size, "%s:%u:%u: %s%s", notes->file, note->line, note->column,
                          sort, note->text);
    else
        length = snprintf(buffer, size, "%s: %s%s", notes->file, sort, note->text);
    return length < 0 ? 0 : (size_t)length;
}

nf_doc nf_doc_begin(const char *text, size_t length, const char *name, nplug_notes *notes)
{
    nf_doc doc = {text, length, 1, NULL, notes, false};

    nf_notes_begin(notes, name);
    return doc;
}

bool nf_doc_parse(nf_doc *doc)
{
    json_error_t error;
    nf_place place;

    doc->root = json_loadb(doc->text, doc->length, JSON_REJECT_DUPLICATES, &error);
    if (doc->root) return true;
    place.line = doc->first_line + (error.line > 0 ? (uint32_t)error.line : 1) - 1;
    place.column = error.column > 0 ? (uint32_t)error.column : 1;
    nf_notes_add(doc->notes, place, false, error.text);
    doc->failed = true;
    return false;
}

static void add(nf_doc *doc, const char *pointer, bool warning, const char *format, va_list list)
{
    char text[sizeof((nplug_note *)0)->text];
    nf_place place = nf_locate(doc->text, doc->length, pointer);

    vsnprintf(text, sizeof text, format, list);
    place.line += doc->first_line - 1;
    nf_notes_add(doc->notes, place, warning, text);
    if (!warning) doc->failed = true;
}

void nf_error(nf_doc *doc, const char *pointer, const char *format, ...)
{
    va_list list;

    va_start(list, format);
    add(doc, pointer, false, format, list);
    va_end(list);
}

void nf_warning(nf_doc *doc, const char *pointer, const char *format, ...)
{
    va_list list;

    va_start(list, format);
    add(doc, pointer, true, format, list);
    va_end(list);
}

void nf_note_within(nf_doc *doc, const char *pointer, size_t bytes, bool warning, const char *text)
{
    nf_place place = nf_locate(doc->text, doc->length, pointer);

    place.line += doc->first_line - 1;
    place.column += (uint32_t)bytes + 1; /* the quotation mark */
    nf_notes_add(doc->notes, place, warning, text);
    if (!warning) doc->failed = true;
}

static char *read_stream(FILE *file, size_t *length)
{
    size_t room = 65536;
    char *text = (char *)malloc(room);

    *length = 0;
    while (text) {
        size_t got = fread(text + *length, 1, room - *length - 1, file);
        *length += got;
        if (got == 0) break;
        if (room - *length < 4096) {
            char *larger = (char *)realloc(text, room *= 2);
            if (!larger) free(text);
            text = larger;
        }
    }
    if (text) text[*length] = 0;
    return text;
}

char *nf_read_file(const char *path, size_t *length, nplug_notes *notes, nplug_result *result)
{
    nf_place whole = {0, 0};
    FILE *file = fopen(path, "rb");
    char *text = file ? read_stream(file, length) : NULL;
    bool failed = !file || ferror(file);

    *result = failed ? errno == ENOENT ? NPLUG_ERR_NO_FILE : NPLUG_ERR_FILE : NPLUG_OK;
    if (failed) nf_notes_add(notes, whole, false, strerror(errno));
    if (file) fclose(file);
    if (failed) {
        free(text);
        return NULL;
    }
    if (!text) nf_notes_add(notes, whole, false, "the system has no memory left");
    if (!text) *result = NPLUG_ERR_MEMORY;
    return text;
}
