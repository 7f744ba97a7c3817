/* The language of prompts, as --language names it. */
#ifndef SPEECH_H
#define SPEECH_H

#include "tool.h"

typedef struct speech {
    const nplug_language *language; /* NULL: English */
    nplug_language_file *file;      /* NULL: it is built in */
} speech;

/* Finds a language by its tag, or reads it from a file (NAME.json).  False, and said on standard
 * error, where there is none: then it is English.  speech_close in either case. */
bool speech_open(speech *spoken, const char *asked);
void speech_close(speech *spoken);

#endif
