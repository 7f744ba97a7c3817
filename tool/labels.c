#include "labels.h"
#include <stdio.h>

#ifdef NPLUG_HAS_KEYMAP
#include "nestplug/keymap.h"

void *labels_open(const char *layout)
{
    nplug_keymap *keymap;

    if (nplug_keymap_open(layout, NULL, &keymap) == NPLUG_OK) return keymap;
    if (layout) fprintf(stderr, "--layout %s: the system has no such keyboard layout\n", layout);
    return NULL;
}

void labels_close(void *labels)
{
    nplug_keymap_close((nplug_keymap *)labels);
}

void labels_use(nplug_nest *nest, void *labels)
{
    if (labels) nplug_use_key_labels(nest, nplug_keymap_label, labels);
}
#else
void *labels_open(const char *layout)
{
    if (layout)
        fprintf(stderr, "--layout %s: built without keyboard layouts (libxkbcommon-dev)\n", layout);
    return NULL;
}

void labels_close(void *labels)
{
    (void)labels;
}

void labels_use(nplug_nest *nest, void *labels)
{
    (void)nest, (void)labels;
}
#endif
