/* Tables of what an object of a file may hold: one table reads, checks and writes. */
#ifndef NF_FIELDS_H
#define NF_FIELDS_H

#include "notes.h"

/* What a member is. */
typedef enum nf_type {
    NF_STRING,
    NF_NUMBER,
    NF_INTEGER,
    NF_BOOL,
    NF_OBJECT,
    NF_ARRAY,
    NF_ANY
} nf_type;

typedef struct nf_field {
    const char *name;
    nf_type type;
    bool required;
} nf_field;

/* Checks an object's members: an error for one that is missing or of another type, a warning with
 * the nearest name for one that is not known. */
void nf_check(nf_doc *doc, const json_t *object, const char *pointer, const nf_field *fields,
              size_t count);

/* A whole number in a struct: its place, its size in bytes (negative: signed). */
typedef struct nf_number {
    const char *name;
    size_t offset;
    int size;
} nf_number;

/* Reads those numbers that the object has; an error where one does not fit its place. */
void nf_numbers_read(nf_doc *doc, const json_t *object, const char *pointer,
                     const nf_number *numbers, size_t count, void *into);
/* Puts the numbers into an object; those that are 0 only where `all`. */
void nf_numbers_write(json_t *object, const nf_number *numbers, size_t count, const void *from,
                      bool all);

/* A word's place in a list of words, or -1. */
int nf_word(const char *const *words, size_t count, const char *word);

/* Writes "did you mean WORD?" for the nearest of some words into a buffer, "" where none is near;
 * returns the buffer.  `stride` is the distance from one word's pointer to the next, in bytes. */
const char *nf_nearest(const char *const *words, size_t count, size_t stride, const char *word,
                       char *buffer, size_t size);

/* A member's text, or `otherwise`. */
const char *nf_string(const json_t *object, const char *name, const char *otherwise);

/* Names go into headers and messages: letters, digits, '-' and '_'. */
void nf_check_name(nf_doc *doc, const char *name, const char *pointer);

#endif
