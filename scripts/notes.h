/* What the programs of scripts/ share: mistakes of files, told on standard error. */
#ifndef SCRIPTS_NOTES_H
#define SCRIPTS_NOTES_H

#include "nestplug/files.h"
#include <stdio.h>

static inline void tell_notes(const nplug_notes *notes)
{
    char line[512];

    for (uint32_t i = 0; i < notes->count; i++) {
        nplug_note_text(notes, i, line, sizeof line);
        fprintf(stderr, "%s\n", line);
    }
}

#endif
