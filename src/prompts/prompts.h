/* What the files of the prompts' library share. */
#ifndef NQ_PROMPTS_H
#define NQ_PROMPTS_H

#include "nestplug/device.h"
#include "nestplug/player.h"
#include "nestplug/prompt.h"
#include "nestplug/sheet.h"
#include "nestplug/touch.h"

/* A text that is put together in a buffer, cut between characters. */
typedef struct nq_text {
    char *buffer;
    size_t size, length; /* of the buffer; of the whole text, cut or not */
} nq_text;

nq_text nq_text_in(char *buffer, size_t size);
void nq_text_add(nq_text *text, const char *piece);
void nq_text_add_some(nq_text *text, const char *piece, size_t length);

/* Adds a pattern with its places filled in: {0}, and {1} (NULL where it has none). */
void nq_text_fill(nq_text *text, const char *pattern, const char *first, const char *second);

/* Where the next place of a pattern is, "{0}" or "{1}", or its end. */
size_t nq_next_place(const char *pattern);

/* Whether a text is written from right to left: its first letter is (UAX #9, P2 and P3). */
bool nq_is_right_to_left(const char *text);

/* The languages that are built in, in the order of their tags. */
extern const nplug_language nq_languages[];
extern const uint32_t nq_language_count;

/* A thing's name, or a pattern, short or long: in a language (NULL: English), in those that it
 * names for what it lacks, or in English; NULL where none has it. */
const char *nq_word(const nplug_language *language, const char *thing, bool full);

/* What a control is called by its place: false where nobody knows. */
bool nq_words_of(const nplug_language *language, nplug_control control, nq_text *label,
                 nq_text *words);

/* Of what a part is shown: a device (0: none that is known), the sheet of its family's prints where
 * there is no device (NULL: not known), a language. */
typedef struct nq_view {
    const nplug_nest *nest;
    nplug_device device;
    const nplug_sheet *prints;
    const nplug_language *language;
} nq_view;

/* Fills what a part shows, of its control. */
void nq_label(const nq_view *view, nplug_prompt_part *part);

#endif
