#include "speech.h"
#include <stdio.h>
#include <string.h>

static bool read_file(speech *spoken, const char *path)
{
    nplug_notes notes;
    bool good = nplug_language_file_read(path, &spoken->file, &notes) == NPLUG_OK;

    tool_notes(&notes);
    if (good) spoken->language = nplug_language_file_language(spoken->file);
    return good;
}

static void tell_known(const char *asked)
{
    const nplug_language *known;

    fprintf(stderr, "--language %s: there are no words of it, so it is English; built in are",
            asked);
    for (uint32_t i = 0; (known = nplug_language_at(i)) != NULL; i++)
        fprintf(stderr, "%s %s", i ? "," : "", known->tag);
    fprintf(stderr, "; and NAME.json is read\n");
}

bool speech_open(speech *spoken, const char *asked)
{
    memset(spoken, 0, sizeof *spoken);
    if (!asked) return true;
    if (tool_ends_in(asked, ".json")) return read_file(spoken, asked);
    spoken->language = nplug_language_for(asked);
    if (!spoken->language) tell_known(asked);
    return spoken->language != NULL;
}

void speech_close(speech *spoken)
{
    nplug_language_file_free(spoken->file);
}
