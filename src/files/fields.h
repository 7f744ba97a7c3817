/* Tables of what an object of a file may hold: one table reads, checks and writes. */
#ifndef NF_FIELDS_H
#define NF_FIELDS_H

#include "notes.h"
#include <stddef.h>

/* What a member is. */
typedef enum nf_type {
    NF_STRING,
    NF_NUMBER,
    NF_INTEGER,
    NF_BOOL,
    NF_OBJECT,
    NF_ARRAY,
    NF_ANY,
    NF_WORD, /* a text out of a list: its place there */
    NF_ID,   /* a text like "0x0201" */
    NF_BUS   /* a text: a bus of the kernel's input interface */
} nf_type;

/* A member of an object: what it must be and, where its value goes straight into a struct, where.
 */
typedef struct nf_field {
    const char *name;
    nf_type type;
    bool required;
    uint16_t offset, size;    /* in the struct; size 0: somebody reads it by hand */
    const char *const *words; /* of a word: the list, how many they are, and what each is called */
    size_t count;
    const char *sort;
    json_int_t least, most; /* of a whole number; both 0: whatever fits */
    const char *expected;   /* what is said of one that is out of range */
    json_int_t otherwise;   /* what it is where it is missing */
} nf_field;

/* A member that somebody reads by hand; one that must be there, besides. */
#define NF_HAND(called, is)                                                                        \
    {                                                                                              \
        .name = (called), .type = (is)                                                             \
    }
#define NF_MUST(called, is)                                                                        \
    {                                                                                              \
        .name = (called), .type = (is), .required = true                                           \
    }

/* Where in a struct a member's value goes. */
#define NF_INTO(of, member) .offset = offsetof(of, member), .size = sizeof((of *)0)->member

/* A list of words, and how many they are. */
#define NF_WORDS(list) .words = (list), .count = sizeof(list) / sizeof *(list)

/* All that an object may hold, and where its schema says the same: a file of schema/, and a JSON
 * Pointer (RFC 6901) into that. */
typedef struct nf_object {
    const nf_field *fields;
    size_t count;
    const char *schema, *at;
} nf_object;
#define NF_OBJECT_OF(fields, schema, at)                                                           \
    {                                                                                              \
        fields, sizeof(fields) / sizeof *(fields), schema, at                                      \
    }

/* Checks an object: an error for what is none, for a member that is missing or of another type, a
 * warning with the nearest name for one that is not known.  false where an error was noted. */
bool nf_check(nf_doc *doc, const json_t *object, const char *pointer, const nf_object *table);

/* The values of the members of an object that was checked go into a struct; and both at once. */
bool nf_fill(nf_doc *doc, const json_t *object, const char *pointer, const nf_object *table,
             void *into);
bool nf_read(nf_doc *doc, const json_t *object, const char *pointer, const nf_object *table,
             void *into);

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

/* "0x0201", which stands `at` a place. */
uint16_t nf_id_of(nf_doc *doc, const json_t *value, const char *at);

/* The word for a bus; NULL where it has none. */
const char *nf_bus_name(uint16_t bus);

/* A word out of a list: its place; 0 where it is missing, or with an error that calls it no `sort`.
 */
uint16_t nf_read_word(nf_doc *doc, const json_t *object, const char *member, const char *pointer,
                      const char *const *words, size_t count, const char *sort);

/* Names go into headers and messages: letters, digits, '-' and '_'. */
void nf_check_name(nf_doc *doc, const char *name, const char *pointer);

#endif
