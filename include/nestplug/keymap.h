/* Key labels by the person's keyboard layout, out of the system's own keymaps (xkbcommon).  A
 * library of its own, nestplug::keymap; beside the linux port, or any window that does not say what
 * is printed on keys. */
#ifndef NESTPLUG_KEYMAP_H
#define NESTPLUG_KEYMAP_H

#include "device.h"

#ifdef __cplusplus
extern "C" {
#endif

/* A keyboard layout. */
typedef struct nplug_keymap nplug_keymap;

/* Opens a layout by the system's name ("de", "fr", "us"; variants such as "dvorak", or NULL): of
 * several ("us,ru") it is the first.  NULL for the one of the environment (XKB_DEFAULT_LAYOUT,
 * XKB_DEFAULT_VARIANT); where that names none, the one that keymaps begin with ("us"), which is a
 * guess.  *keymap is the caller's; nplug_keymap_close. NPLUG_ERR_UNKNOWN: the system has no such
 * layout, and *keymap is NULL; NPLUG_ERR_MEMORY, NPLUG_ERR_ARGUMENT. */
NPLUG_API nplug_result nplug_keymap_open(const char *layout, const char *variant,
                                         nplug_keymap **keymap);

/* Frees a layout; NULL does nothing.  No nest may use it any more. */
NPLUG_API void nplug_keymap_close(nplug_keymap *keymap);

/* What the layout calls itself ("German"), UTF-8; the keymap's own. */
NPLUG_API const char *nplug_keymap_name(const nplug_keymap *keymap);

/* What is printed on a key (a HID usage of page 0x07): the sign that it types, a letter as its
 * capital, a dead key as its accent alone.  Writes UTF-8 with a terminating 0 where there is room
 * for all of it, returns its length; 0 for keys that type nothing (Shift, F1) or a sign that cannot
 * be seen, and for those of the keypad, which type one thing or another.  An nplug_key_labels:
 * nplug_use_key_labels(nest, nplug_keymap_label, keymap). */
NPLUG_API size_t nplug_keymap_label(void *keymap, uint16_t usage, char *buffer, size_t size);

#ifdef __cplusplus
}
#endif
#endif
