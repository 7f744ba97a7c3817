/* What is wrong with a document, and where: one locator serves all errors of meaning. */
#ifndef NF_NOTES_H
#define NF_NOTES_H

#include "nestplug/files.h"
#include <jansson.h>

/* A JSON document, or one line of a file of them, with the text that it was read from. */
typedef struct nf_doc {
    const char *text;
    size_t length;
    uint32_t first_line; /* the line of the file at which `text` begins, from 1 */
    json_t *root;
    nplug_notes *notes;
    bool failed; /* an error (no mere warning) was noted */
} nf_doc;

/* A place in a text, from 1. */
typedef struct nf_place {
    uint32_t line, column;
} nf_place;

/* Empties notes and names the file that they are about. */
void nf_notes_begin(nplug_notes *notes, const char *file);

/* Adds a note as it stands. */
void nf_notes_add(nplug_notes *notes, nf_place place, bool warning, const char *text);

/* A document of one text, from its first line; empties the notes. */
nf_doc nf_doc_begin(const char *text, size_t length, const char *name, nplug_notes *notes);

/* Parses a document; false (with a note) where the grammar is wrong. */
bool nf_doc_parse(nf_doc *doc);

/* Where the value of a JSON Pointer (RFC 6901) stands in a text that is known to be JSON; the
 * place of the nearest thing around it where there is no such value. */
nf_place nf_locate(const char *text, size_t length, const char *pointer);

/* Note what is wrong with the value at `pointer`, as by printf. */
#if defined(__GNUC__)
__attribute__((format(printf, 3, 4)))
#endif
void nf_error(nf_doc *doc, const char *pointer, const char *format, ...);
#if defined(__GNUC__)
__attribute__((format(printf, 3, 4)))
#endif
void nf_warning(nf_doc *doc, const char *pointer, const char *format, ...);

/* As nf_error or nf_warning, so many bytes after the beginning of a text's letters. */
void nf_note_within(nf_doc *doc, const char *pointer, size_t bytes, bool warning, const char *text);

/* A whole file in memory from malloc, ended by a 0 that is not counted; NULL with a note where it
 * cannot be read. */
char *nf_read_file(const char *path, size_t *length, nplug_notes *notes, nplug_result *result);

#endif
