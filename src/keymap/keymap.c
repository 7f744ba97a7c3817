/* Key labels out of the system's keymaps: the sign of a key without Shift, as a cap shows it. */
#include "nestplug/keymap.h"
#include "nestplug/window.h"
#include <stdlib.h>
#include <string.h>
#include <xkbcommon/xkbcommon-keysyms.h>
#include <xkbcommon/xkbcommon.h>

#define USAGES       0x100
#define KEYPAD_FIRST 0x53 /* HID Usage Tables, page 0x07: num lock to keypad full stop */
#define KEYPAD_LAST  0x63

struct nplug_keymap {
    struct xkb_context *context;
    struct xkb_keymap *map;
    xkb_keycode_t of_usage[USAGES]; /* 0: no key has it */
};

/* --- opened and closed --------------------------------------------------------------------------
 */

static void say_nothing(struct xkb_context *context, enum xkb_log_level level, const char *format,
                        va_list args)
{
    (void)context, (void)level, (void)format, (void)args;
}

/* The key codes of keymaps are the kernel's and 8. */
static void find_codes(nplug_keymap *keymap)
{
    for (uint32_t code = 1; code < 0x100; code++) {
        uint16_t usage = nplug_key_usage(NPLUG_KEY_SCHEME_KERNEL, code);
        if (usage && usage < USAGES && !keymap->of_usage[usage]) keymap->of_usage[usage] = code + 8;
    }
}

nplug_result nplug_keymap_open(const char *layout, const char *variant, nplug_keymap **keymap)
{
    struct xkb_rule_names names = {NULL, NULL, layout, variant, NULL};
    nplug_keymap *opened;

    if (!keymap) return NPLUG_ERR_ARGUMENT;
    *keymap = NULL;
    opened = (nplug_keymap *)calloc(1, sizeof *opened);
    if (!opened) return NPLUG_ERR_MEMORY;
    opened->context = xkb_context_new(XKB_CONTEXT_NO_FLAGS);
    if (opened->context) {
        xkb_context_set_log_fn(opened->context, say_nothing);
        opened->map =
            xkb_keymap_new_from_names(opened->context, &names, XKB_KEYMAP_COMPILE_NO_FLAGS);
    }
    if (!opened->map) {
        nplug_keymap_close(opened);
        return NPLUG_ERR_UNKNOWN;
    }
    find_codes(opened);
    *keymap = opened;
    return NPLUG_OK;
}

void nplug_keymap_close(nplug_keymap *keymap)
{
    if (!keymap) return;
    xkb_keymap_unref(keymap->map);
    xkb_context_unref(keymap->context);
    free(keymap);
}

const char *nplug_keymap_name(const nplug_keymap *keymap)
{
    const char *name = keymap ? xkb_keymap_layout_get_name(keymap->map, 0) : NULL;
    return name ? name : "";
}

/* --- labels --------------------------------------------------------------------------------------
 */

/* A dead key types an accent over the next letter: on its cap stands the accent alone. */
static const struct {
    xkb_keysym_t dead;
    const char *accent;
} accents[] = {{XKB_KEY_dead_grave, "`"},
               {XKB_KEY_dead_acute, "\xc2\xb4"},
               {XKB_KEY_dead_circumflex, "^"},
               {XKB_KEY_dead_tilde, "~"},
               {XKB_KEY_dead_macron, "\xc2\xaf"},
               {XKB_KEY_dead_breve, "\xcb\x98"},
               {XKB_KEY_dead_abovedot, "\xcb\x99"},
               {XKB_KEY_dead_diaeresis, "\xc2\xa8"},
               {XKB_KEY_dead_abovering, "\xcb\x9a"},
               {XKB_KEY_dead_doubleacute, "\xcb\x9d"},
               {XKB_KEY_dead_caron, "\xcb\x87"},
               {XKB_KEY_dead_cedilla, "\xc2\xb8"},
               {XKB_KEY_dead_ogonek, "\xcb\x9b"},
               {XKB_KEY_dead_iota, "\xcd\xba"},
               {XKB_KEY_dead_stroke, "/"},
               {XKB_KEY_dead_belowdot, "."},
               {XKB_KEY_dead_hook, "\xcb\x80"},
               {XKB_KEY_dead_greek, "\xc2\xb5"}};

/* The sign of a key on a level: 0 unshifted, 1 with Shift; XKB_KEY_NoSymbol where there is none. */
static xkb_keysym_t sign_of(const nplug_keymap *keymap, xkb_keycode_t code, xkb_level_index_t level)
{
    const xkb_keysym_t *signs;
    int count = xkb_keymap_key_get_syms_by_level(keymap->map, code, 0, level, &signs);
    return count == 1 ? signs[0] : XKB_KEY_NoSymbol;
}

static const char *accent_of(xkb_keysym_t sign)
{
    for (size_t i = 0; i < sizeof accents / sizeof *accents; i++)
        if (accents[i].dead == sign) return accents[i].accent;
    return NULL;
}

/* As it stands on the cap, a capital where Shift types the same letter's capital; its length, 0 for
 * what cannot be seen. */
static size_t cap_of(const nplug_keymap *keymap, xkb_keycode_t code, char bytes[8])
{
    xkb_keysym_t sign = sign_of(keymap, code, 0), shifted = sign_of(keymap, code, 1);
    const char *accent = accent_of(sign);
    uint32_t point;

    if (accent) {
        memcpy(bytes, accent, strlen(accent) + 1);
        return strlen(accent);
    }
    if (sign != shifted && xkb_keysym_to_upper(sign) == shifted) sign = shifted;
    point = xkb_keysym_to_utf32(sign);
    if (point <= ' ' || (point >= 0x7f && point <= 0xa0)) return 0;
    return (size_t)xkb_keysym_to_utf8(sign, bytes, 8) - 1;
}

size_t nplug_keymap_label(void *keymap, uint16_t usage, char *buffer, size_t size)
{
    const nplug_keymap *map = (const nplug_keymap *)keymap;
    char bytes[8];
    size_t length;

    if (buffer && size) buffer[0] = 0;
    if (!map || usage >= USAGES || !map->of_usage[usage]) return 0;
    if (usage >= KEYPAD_FIRST && usage <= KEYPAD_LAST) return 0;
    length = cap_of(map, map->of_usage[usage], bytes);
    if (length && buffer && size > length) memcpy(buffer, bytes, length + 1);
    return length;
}
