/* Texts that are put together, and words for numbers. */
#include "prompts.h"
#include <string.h>

/* --- putting together --------------------------------------------------------------------------
 */

nq_text nq_text_in(char *buffer, size_t size)
{
    nq_text text = {buffer, size, 0};

    if (size) buffer[0] = 0;
    return text;
}

/* How much of a text of `length` has room in `room` bytes, no character of UTF-8 cut. */
static size_t whole(const char *piece, size_t length, size_t room)
{
    if (length <= room) return length;
    while (room && ((unsigned char)piece[room] & 0xc0u) == 0x80u)
        room--;
    return room;
}

void nq_text_add_some(nq_text *text, const char *piece, size_t length)
{
    bool fits = text->length < text->size;
    size_t room = fits ? text->size - 1 - text->length : 0, put = whole(piece, length, room);

    if (fits) {
        memcpy(text->buffer + text->length, piece, put);
        text->buffer[text->length + put] = 0;
    }
    /* What comes after a piece that was cut is cut, too. */
    if (put < length && text->size > text->length + put) text->size = text->length + put;
    text->length += length;
}

void nq_text_add(nq_text *text, const char *piece)
{
    nq_text_add_some(text, piece, strlen(piece));
}

size_t nq_next_place(const char *pattern)
{
    size_t at = 0;

    while (pattern[at] && strncmp(pattern + at, "{0}", 3) != 0 &&
           strncmp(pattern + at, "{1}", 3) != 0)
        at++;
    return at;
}

void nq_text_fill(nq_text *text, const char *pattern, const char *first, const char *second)
{
    while (*pattern) {
        size_t at = nq_next_place(pattern);
        const char *piece = pattern[at] && pattern[at + 1] == '1' ? second : first;
        nq_text_add_some(text, pattern, at);
        pattern += at;
        if (!*pattern) break;
        if (piece) nq_text_add(text, piece);
        pattern += 3;
    }
}

/* --- from right to left --------------------------------------------------------------------------
 */

/* The character at *text, which moves behind it; what is none counts as its first byte. */
static uint32_t next_character(const char **text)
{
    const unsigned char *at = (const unsigned char *)*text;
    unsigned more = *at < 0xc2 ? 0 : *at < 0xe0 ? 1 : *at < 0xf0 ? 2 : *at < 0xf5 ? 3 : 0;
    uint32_t character = more ? *at & (0x3fu >> more) : *at;

    for (unsigned i = 1; i <= more; i++) {
        if ((at[i] & 0xc0u) != 0x80u) {
            ++*text;
            return *at;
        }
        character = character << 6 | (at[i] & 0x3fu);
    }
    *text += more + 1;
    return character;
}

/* Blocks whose characters are right to left where nothing else is said (Unicode, DerivedBidiClass:
 * Hebrew to Arabic Extended-A, their presentation forms, and two rows of the first plane). */
static const struct {
    uint32_t first, last;
} right_to_left[] = {
    {0x590, 0x8ff}, {0xfb1d, 0xfdff}, {0xfe70, 0xfeff}, {0x10800, 0x10fff}, {0x1e800, 0x1efff}};

bool nq_is_right_to_left(const char *text)
{
    while (*text) {
        uint32_t one = next_character(&text);
        for (size_t i = 0; i < sizeof right_to_left / sizeof *right_to_left; i++)
            if (one >= right_to_left[i].first && one <= right_to_left[i].last) return true;
        if ((one >= 'A' && one <= 'Z') || (one >= 'a' && one <= 'z') ||
            (one >= 0xc0 && one < 0x2000))
            return false;
    }
    return false;
}

/* --- words for numbers --------------------------------------------------------------------------
 */

const char *nplug_certainty_name(uint32_t number)
{
    static const char *const names[] = {"printed", "family", "place", "name"};
    return number < sizeof names / sizeof *names ? names[number] : "unknown";
}

const char *nplug_prompt_role_name(uint32_t number)
{
    static const char *const names[] = {"press", "held",  "up",  "down",
                                        "left",  "right", "low", "high"};
    return number < sizeof names / sizeof *names ? names[number] : "unknown";
}
