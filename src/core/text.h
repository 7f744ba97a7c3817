/* Text without stdio: for the log and for names. */
#ifndef NP_TEXT_H
#define NP_TEXT_H

#include <stddef.h>
#include <stdint.h>

/* A text being put together in a buffer; always ended by 0 where the buffer has any room, and cut
 * where it is too small.  `length` counts what it would have been uncut. */
typedef struct np_text {
    char *buffer;
    size_t size, length;
} np_text;

np_text np_text_in(char *buffer, size_t size);
void np_text_add(np_text *text, const char *more);
void np_text_add_bytes(np_text *text, const char *more, size_t count);
void np_text_add_number(np_text *text, uint64_t number);
void np_text_add_hex(np_text *text, uint64_t number, unsigned digits);

/* FNV-1a, 64 bits: start with NP_HASH_START and put in bytes. */
#define NP_HASH_START UINT64_C(0xcbf29ce484222325)
uint64_t np_hash(uint64_t hash, const void *bytes, size_t count);

/* How far apart two words are (insertions, deletions, changes), at most `worst`; words longer than
 * 40 bytes are never near. */
unsigned np_text_distance(const char *a, size_t a_length, const char *b, size_t b_length,
                          unsigned worst);

#endif
