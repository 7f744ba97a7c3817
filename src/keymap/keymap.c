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
    uint32_t accent; /* Unicode */
} accents[] = {{XKB_KEY_dead_grave, '`'},       {XKB_KEY_dead_acute, 0xb4},
               {XKB_KEY_dead_circumflex, '^'},  {XKB_KEY_dead_tilde, '~'},
               {XKB_KEY_dead_macron, 0xaf},     {XKB_KEY_dead_breve, 0x2d8},
               {XKB_KEY_dead_abovedot, 0x2d9},  {XKB_KEY_dead_diaeresis, 0xa8},
               {XKB_KEY_dead_abovering, 0x2da}, {XKB_KEY_dead_doubleacute, 0x2dd},
               {XKB_KEY_dead_caron, 0x2c7},     {XKB_KEY_dead_cedilla, 0xb8},
               {XKB_KEY_dead_ogonek, 0x2db},    {XKB_KEY_dead_iota, 0x37a},
               {XKB_KEY_dead_stroke, '/'},      {XKB_KEY_dead_belowdot, '.'},
               {XKB_KEY_dead_horn, 0x31b},      {XKB_KEY_dead_hook, 0x2c0},
               {XKB_KEY_dead_greek, 0xb5}};

/* The sign of a key on a level: 0 unshifted, 1 with Shift; XKB_KEY_NoSymbol where there is none. */
static xkb_keysym_t sign_of(const nplug_keymap *keymap, xkb_keycode_t code, xkb_level_index_t level)
{
    const xkb_keysym_t *signs;
    int count = xkb_keymap_key_get_syms_by_level(keymap->map, code, 0, level, &signs);
    return count == 1 ? signs[0] : XKB_KEY_NoSymbol;
}

static uint32_t accent_of(xkb_keysym_t sign)
{
    for (size_t i = 0; i < sizeof accents / sizeof *accents; i++)
        if (accents[i].dead == sign) return accents[i].accent;
    return 0;
}

/* As it stands on the cap: a capital where Shift types the same letter's capital. */
static uint32_t point_of(const nplug_keymap *keymap, xkb_keycode_t code)
{
    xkb_keysym_t sign = sign_of(keymap, code, 0), shifted = sign_of(keymap, code, 1);
    uint32_t point = accent_of(sign);

    if (point) return point;
    if (sign != shifted && xkb_keysym_to_upper(sign) == shifted) sign = shifted;
    point = xkb_keysym_to_utf32(sign);
    return point > ' ' && (point < 0x7f || point > 0xa0) ? point : 0;
}

/* One character in UTF-8 (RFC 3629); how many bytes. */
static size_t write_point(uint32_t point, char bytes[4])
{
    size_t more = point < 0x80 ? 0 : point < 0x800 ? 1 : point < 0x10000 ? 2 : 3;
    static const unsigned char heads[] = {0, 0xc0, 0xe0, 0xf0};

    for (size_t i = more; i > 0; i--, point >>= 6)
        bytes[i] = (char)(0x80u | (point & 0x3fu));
    bytes[0] = (char)(heads[more] | point);
    return more + 1;
}

size_t nplug_keymap_label(void *keymap, uint16_t usage, char *buffer, size_t size)
{
    const nplug_keymap *map = (const nplug_keymap *)keymap;
    char bytes[4];
    uint32_t point;
    size_t length;

    if (buffer && size) buffer[0] = 0;
    if (!map || usage >= USAGES || !map->of_usage[usage]) return 0;
    if (usage >= KEYPAD_FIRST && usage <= KEYPAD_LAST) return 0;
    point = point_of(map, map->of_usage[usage]);
    if (point == 0) return 0;
    length = write_point(point, bytes);
    if (!buffer || size <= length) return length;
    memcpy(buffer, bytes, length);
    buffer[length] = 0;
    return length;
}
