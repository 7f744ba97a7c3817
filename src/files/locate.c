/* The locator: from a path in a JSON document to its place in the text. */
#include "notes.h"
#include <string.h>

/* Where the scan stands.  The text was parsed already, so it is known to be JSON. */
typedef struct scan {
    const char *text;
    size_t length, at;
} scan;

static char peek(const scan *in)
{
    return in->at < in->length ? in->text[in->at] : 0;
}

static void skip_blanks(scan *in)
{
    while (in->at < in->length && strchr(" \t\r\n", in->text[in->at]))
        in->at++;
}

static void skip_string(scan *in)
{
    for (in->at++; in->at < in->length && in->text[in->at] != '"'; in->at++)
        if (in->text[in->at] == '\\') in->at++;
    in->at++;
}

/* Passes over one value, whatever it holds. */
static void skip_value(scan *in)
{
    int depth = 0;

    do {
        char c;
        skip_blanks(in);
        c = peek(in);
        if (c == '"') {
            skip_string(in);
            continue;
        }
        if (c == '{' || c == '[') depth++;
        if (c == '}' || c == ']') depth--;
        if (c == 0) return;
        in->at++;
        while (depth == 0 && in->at < in->length && !strchr(",]} \t\r\n", in->text[in->at]))
            in->at++;
    } while (depth > 0);
}

/* Whether the string at the scan (its opening quote) is the pointer's next word; `~1` and `~0` of
 * the pointer stand for `/` and `~`.  Keys with escapes of JSON's own are not compared. */
static bool is_word(const scan *in, const char *word, size_t length)
{
    size_t at = in->at + 1;

    for (size_t i = 0; i < length; i++, at++) {
        char c = word[i];
        if (c == '~' && i + 1 < length) c = word[++i] == '1' ? '/' : '~';
        if (at >= in->length || in->text[at] != c) return false;
    }
    return at < in->length && in->text[at] == '"';
}

/* Goes on to the next member or item; false at the end of the object or array. */
static bool next_item(scan *in)
{
    skip_blanks(in);
    if (peek(in) != ',') return false;
    in->at++;
    skip_blanks(in);
    return true;
}

static bool enter_object(scan *in, const char *word, size_t length)
{
    in->at++;
    skip_blanks(in);
    if (peek(in) == '}') return false;
    do {
        bool found = is_word(in, word, length);
        skip_string(in);
        skip_blanks(in);
        in->at++; /* the colon */
        skip_blanks(in);
        if (found) return true;
        skip_value(in);
    } while (next_item(in));
    return false;
}

static bool enter_array(scan *in, const char *word, size_t length)
{
    size_t index = 0;

    for (size_t i = 0; i < length; i++)
        index = index * 10 + (size_t)(word[i] - '0');
    in->at++;
    skip_blanks(in);
    if (peek(in) == ']') return false;
    for (; index; index--) {
        skip_value(in);
        if (!next_item(in)) return false;
    }
    return true;
}

static nf_place place_of(const char *text, size_t at)
{
    nf_place place = {1, 1};

    for (size_t i = 0; i < at; i++) {
        place.column++;
        if (text[i] != '\n') continue;
        place.line++;
        place.column = 1;
    }
    return place;
}

nf_place nf_locate(const char *text, size_t length, const char *pointer)
{
    scan in = {text, length, 0};
    size_t found;

    skip_blanks(&in);
    found = in.at;
    while (*pointer == '/') {
        const char *word = ++pointer;
        size_t word_length = strcspn(word, "/");
        bool inside = peek(&in) == '{'   ? enter_object(&in, word, word_length)
                      : peek(&in) == '[' ? enter_array(&in, word, word_length)
                                         : false;
        if (!inside) break;
        found = in.at;
        pointer += word_length;
    }
    return place_of(text, found);
}
