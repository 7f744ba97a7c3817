/* Texts that are put together, and prompts as texts. */
#include "prompts.h"
#include <string.h>

/* Room for all parts of a prompt in a row. */
#define ROW 768

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

/* --- a prompt as a text ----------------------------------------------------------------------- */

static const nplug_prompt_words english = {(uint32_t)sizeof(nplug_prompt_words),
                                           0,
                                           "{0}",
                                           "let go of {0}",
                                           "tap {0}",
                                           "tap {0} twice",
                                           "tap {0} {1} times",
                                           "hold {0}",
                                           "{0}",
                                           "{0} + {1}",
                                           "{0}, {1}"};

const nplug_prompt_words *nplug_prompt_words_default(void)
{
    return &english;
}

/* A pattern with its places filled in. */
static void fill(nq_text *text, const char *pattern, const char *first, const char *second)
{
    while (*pattern) {
        const char *place = strchr(pattern, '{');
        if (place && (place[1] == '0' || place[1] == '1') && place[2] == '}') {
            nq_text_add_some(text, pattern, (size_t)(place - pattern));
            nq_text_add(text, place[1] == '0' ? first : second);
            pattern = place + 3;
        } else {
            size_t length = place ? (size_t)(place - pattern) + 1 : strlen(pattern);
            nq_text_add_some(text, pattern, length);
            pattern += length;
        }
    }
}

/* Those parts that are held, or those that drive, in a row by a pattern for two. */
static void join(const nplug_prompt *prompt, bool held, const char *pattern, bool long_labels,
                 char row[ROW])
{
    char before[ROW];
    bool any = false;

    row[0] = 0;
    for (uint32_t i = 0; i < prompt->count && i < NPLUG_PROMPT_PARTS; i++) {
        const nplug_prompt_part *part = &prompt->parts[i];
        const char *one = long_labels ? part->words : part->label;
        nq_text text;
        if ((part->role == NPLUG_PROMPT_ROLE_HELD) != held) continue;
        memcpy(before, row, ROW);
        text = nq_text_in(row, ROW);
        if (any)
            fill(&text, pattern, before, one);
        else
            nq_text_add(&text, one);
        any = true;
    }
}

static const char *pattern_of(const nplug_prompt *prompt, const nplug_prompt_words *words)
{
    switch (prompt->gesture) {
    case NPLUG_GESTURE_RELEASE:
        return words->release;
    case NPLUG_GESTURE_TAP:
        return prompt->taps < 2 ? words->tap : prompt->taps == 2 ? words->twice : words->times;
    case NPLUG_GESTURE_HOLD:
        return words->hold;
    case NPLUG_GESTURE_REPEAT:
        return words->repeat;
    default:
        return words->press;
    }
}

size_t nplug_prompt_text(const nplug_prompt *prompt, bool long_labels,
                         const nplug_prompt_words *words, char *buffer, size_t size)
{
    char held[ROW], driving[ROW], both[2 * ROW], taps[2] = "";
    nq_text text = nq_text_in(buffer, size), all = nq_text_in(both, sizeof both);

    if (!prompt || prompt->count == 0) return 0;
    if (!words || words->size < sizeof *words) words = &english;
    join(prompt, true, words->chord, long_labels, held);
    join(prompt, false, words->list, long_labels, driving);
    if (held[0])
        fill(&all, words->chord, held, driving);
    else
        nq_text_add(&all, driving);
    if (prompt->taps < 10) taps[0] = (char)('0' + prompt->taps);
    fill(&text, pattern_of(prompt, words), both, taps);
    return text.length;
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
