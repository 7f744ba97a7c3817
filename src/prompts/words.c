/* What things are called in a language. */
#include "nestplug/control.h"
#include "prompts.h"
#include <string.h>

/* So many languages are asked one after the other: who names each other has an end. */
#define OTHERS 8

static const nplug_word *find(const nplug_language *language, const char *thing)
{
    uint32_t low = 0, high = language->count;

    while (low < high) {
        uint32_t middle = (low + high) / 2;
        int order = strcmp(language->list[middle].thing, thing);
        if (order == 0) return &language->list[middle];
        if (order < 0)
            low = middle + 1;
        else
            high = middle;
    }
    return NULL;
}

static const char *word_in(const nplug_language *language, const char *thing, bool full)
{
    const nplug_word *word = language->size >= sizeof *language ? find(language, thing) : NULL;

    if (!word) return NULL;
    return full && word->words ? word->words : word->label;
}

const char *nq_word(const nplug_language *language, const char *thing, bool full)
{
    for (int i = 0; language && i < OTHERS; i++, language = language->other) {
        const char *word = word_in(language, thing, full);
        if (word) return word;
    }
    return word_in(nplug_language_for("en"), thing, full);
}

/* --- controls ------------------------------------------------------------------------------------
 */

/* Which hand's, as a pattern; and the name of the control of either hand. */
static const char *part_hand(char *name)
{
    const char *hand = NULL;

    if (strncmp(name, "hand-left:", 10) == 0) hand = "left-hand";
    if (strncmp(name, "hand-right:", 11) == 0) hand = "right-hand";
    if (hand) memmove(name + 4, strchr(name, ':'), strlen(strchr(name, ':')) + 1);
    return hand;
}

/* The number at a name's end, which is cut off; NULL where it has none. */
static const char *part_number(char *name)
{
    size_t length = strlen(name), at = length;

    while (at && name[at - 1] >= '0' && name[at - 1] <= '9')
        at--;
    if (at == length || at == 0 || name[at - 1] != '-') return NULL;
    name[at - 1] = 0;
    return name + at;
}

static void say(const nplug_language *language, char *name, bool full, nq_text *text)
{
    const char *hand = NULL, *number = NULL, *word = nq_word(language, name, full);
    char either[64];

    strcpy(either, name);
    if (!word) {
        hand = part_hand(either);
        number = part_number(either);
        word = nq_word(language, either, full);
    }
    if (hand)
        nq_text_fill(text, nq_word(language, hand, full), word, NULL);
    else if (number)
        nq_text_fill(text, nq_word(language, "number", full), word, number);
    else
        nq_text_add(text, word);
}

/* Some names end in a number that is a part of them. */
static bool is_known(const char *name)
{
    char either[64];

    if (nq_word(NULL, name, false)) return true;
    strcpy(either, name);
    part_hand(either);
    part_number(either);
    return nq_word(NULL, either, false) != NULL;
}

bool nq_words_of(const nplug_language *language, nplug_control control, nq_text *label,
                 nq_text *words)
{
    char name[64];

    if (nplug_control_name(control, name, sizeof name) == 0 || !is_known(name)) return false;
    say(language, name, false, label);
    say(language, name, true, words);
    return true;
}
