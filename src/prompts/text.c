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
