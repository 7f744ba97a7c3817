/* What the files of the prompts' library share. */
#ifndef NQ_PROMPTS_H
#define NQ_PROMPTS_H

#include "nestplug/device.h"
#include "nestplug/player.h"
#include "nestplug/prompt.h"
#include "nestplug/touch.h"

/* A text that is put together in a buffer, cut between characters. */
typedef struct nq_text {
    char *buffer;
    size_t size, length; /* of the buffer; of the whole text, cut or not */
} nq_text;

nq_text nq_text_in(char *buffer, size_t size);
void nq_text_add(nq_text *text, const char *piece);
void nq_text_add_some(nq_text *text, const char *piece, size_t length);

/* What a control is called by its place, in English: false where nobody knows. */
bool nq_words_of(nplug_control control, nq_text *label, nq_text *words);

/* Fills what a part shows, of a control on a device (0: on none that is known). */
void nq_label(const nplug_nest *nest, nplug_device device, nplug_prompt_part *part);

#endif
