/* Texts put together without stdio, and how far apart two words are.
 *
 * Owns nothing: a text is its holder's.  Comes in: words, numbers.  Goes out: a text that is always
 * ended, and cut where it is too long. */
#include "core/base/base.h"
#include <string.h>

np_text np_text_in(char *buffer, size_t size)
{
    np_text text = {buffer, size, 0};
    if (size) buffer[0] = 0;
    return text;
}

void np_text_add_bytes(np_text *text, const char *more, size_t count)
{
    size_t room = text->size > text->length + 1 ? text->size - text->length - 1 : 0;
    size_t kept = count < room ? count : room;

    text->length += count;
    if (kept == 0) return;
    memcpy(text->buffer + text->length - count, more, kept);
    text->buffer[text->length - count + kept] = 0;
}

void np_text_add(np_text *text, const char *more)
{
    np_text_add_bytes(text, more, strlen(more));
}

static void add_in_base(np_text *text, uint64_t number, unsigned base, unsigned digits)
{
    char reversed[24];
    unsigned count = 0;

    do {
        reversed[count++] = "0123456789abcdef"[number % base];
        number /= base;
    } while (count < sizeof reversed && (number || count < digits));
    while (count)
        np_text_add_bytes(text, &reversed[--count], 1);
}

void np_text_add_number(np_text *text, uint64_t number)
{
    add_in_base(text, number, 10, 1);
}

void np_text_add_hex(np_text *text, uint64_t number, unsigned digits)
{
    add_in_base(text, number, 16, digits);
}

static unsigned least(unsigned a, unsigned b, unsigned c)
{
    unsigned ab = a < b ? a : b;
    return ab < c ? ab : c;
}

unsigned np_text_distance(const char *a, size_t a_length, const char *b, size_t b_length,
                          unsigned worst)
{
    unsigned row[41];

    if (a_length > 40 || b_length > 40) return worst;
    for (unsigned j = 0; j <= b_length; j++)
        row[j] = j;
    for (size_t i = 1; i <= a_length; i++) {
        unsigned corner = row[0];
        row[0] = (unsigned)i;
        for (size_t j = 1; j <= b_length; j++) {
            unsigned was = row[j];
            row[j] = least(row[j] + 1, row[j - 1] + 1, corner + (a[i - 1] != b[j - 1]));
            corner = was;
        }
    }
    return row[b_length] < worst ? row[b_length] : worst;
}
