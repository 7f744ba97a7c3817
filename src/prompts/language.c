/* Which language a tag names. */
#include "prompts.h"
#include <string.h>

static char lower(char letter)
{
    return letter >= 'A' && letter <= 'Z' ? (char)(letter + ('a' - 'A')) : letter;
}

static bool is_same(const char *tag, const char *asked, size_t length)
{
    for (size_t i = 0; i < length; i++)
        if (tag[i] == 0 || lower(tag[i]) != lower(asked[i])) return false;
    return tag[length] == 0;
}

/* How long a tag is without its last subtag, and without a single letter before that, which only
 * introduces others (RFC 4647, section 3.4). */
static size_t shorten(const char *tag, size_t length)
{
    while (length && tag[length - 1] != '-')
        length--;
    if (length) length--;
    if (length >= 2 && tag[length - 2] == '-') length -= 2;
    return length;
}

const nplug_language *nplug_language_for(const char *tag)
{
    for (size_t length = tag ? strlen(tag) : 0; length; length = shorten(tag, length))
        for (uint32_t i = 0; i < nq_language_count; i++)
            if (is_same(nq_languages[i].tag, tag, length)) return &nq_languages[i];
    return NULL;
}

const nplug_language *nplug_language_at(uint32_t index)
{
    return index < nq_language_count ? &nq_languages[index] : NULL;
}
