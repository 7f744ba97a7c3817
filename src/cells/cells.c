/* How wide labels are: by Unicode's tables, which utf8proc has. */
#include "nestplug/cells.h"
#include <string.h>
#include <utf8proc.h>

/* U+FE0F asks for a character's picture, which is wide. */
#define AS_PICTURE 0xfe0f

/* The character at *text, which moves behind it; -1 for a byte that is none. */
static utf8proc_int32_t next(const utf8proc_uint8_t **text, size_t length)
{
    utf8proc_int32_t one;
    utf8proc_ssize_t bytes = utf8proc_iterate(*text, (utf8proc_ssize_t)length, &one);

    *text += bytes > 0 ? bytes : 1;
    return bytes > 0 ? one : -1;
}

static size_t width_of(utf8proc_int32_t one)
{
    if (one == AS_PICTURE) return 2;
    return one < 0 ? 1 : (size_t)utf8proc_charwidth(one);
}

/* A cluster is as wide as its widest character. */
size_t nplug_text_cells(const char *text)
{
    const utf8proc_uint8_t *at = (const utf8proc_uint8_t *)text;
    const utf8proc_uint8_t *end = at ? at + strlen(text) : at;
    utf8proc_int32_t before = -1, state = 0;
    size_t cells = 0, widest = 0;

    while (at < end) {
        utf8proc_int32_t one = next(&at, (size_t)(end - at));
        if (one < 0 || before < 0 || utf8proc_grapheme_break_stateful(before, one, &state)) {
            cells += widest;
            widest = 0;
            state = 0;
        }
        if (width_of(one) > widest) widest = width_of(one);
        before = one;
    }
    return cells + widest;
}
