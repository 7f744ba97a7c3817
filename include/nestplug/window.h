/* The window port: a game feeds the events of its own window loop, on any window system. */
#ifndef NESTPLUG_WINDOW_H
#define NESTPLUG_WINDOW_H

#include "port.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Which devices a window stands for.  A keyboard that another port reads, too, counts twice: leave
 * it out here or there. */
enum {
    NPLUG_WINDOW_KEYBOARD = 1,
    NPLUG_WINDOW_MOUSE = 2,
    NPLUG_WINDOW_TOUCH = 4,
    NPLUG_WINDOW_PADS = 8, /* up to NPLUG_WINDOW_PADS_MAX, in the W3C standard pad layout */
    NPLUG_WINDOW_PEN = 16
};
#define NPLUG_WINDOW_PADS_MAX 8
#define NPLUG_WINDOW_CONTACTS 10 /* fingers at once */

/* The window port's state. */
typedef struct nplug_window nplug_window;

/* Bytes that a window port needs. */
NPLUG_API size_t nplug_window_memory_needed(void);

/* Opens a port for these devices (NPLUG_WINDOW_KEYBOARD and so on) in the caller's block (aligned
 * as malloc's); there is nothing to close.  NULL where the block is too small or NULL. */
NPLUG_API nplug_window *nplug_window_open(uint32_t devices, void *block, size_t size);

/* Attaches it to one nest; the block stays the caller's until it is detached or the nest closes.
 * Errors as nplug_attach. */
NPLUG_API nplug_result nplug_window_attach(nplug_window *window, nplug_nest *nest);

/* Its table of functions, for whoever puts a port of their own in front of it. */
NPLUG_API const nplug_port *nplug_window_port(void);

/* Whose numbers a system gives for the place of a key. */
typedef enum nplug_key_scheme {
    NPLUG_KEY_SCHEME_HID = 0,    /* USB HID usages of page 0x07 */
    NPLUG_KEY_SCHEME_KERNEL = 1, /* the Linux kernel's key codes; also Wayland's */
    NPLUG_KEY_SCHEME_X11 = 2,    /* X11 key codes: the kernel's and 8 */
    NPLUG_KEY_SCHEME_SET1 =
        3 /* PC scan codes, set 1; 0xe0 in the second byte where it came first */
} nplug_key_scheme;

/* The HID usage of a key by a system's number, 0 where there is none. */
NPLUG_API uint16_t nplug_key_usage(nplug_key_scheme scheme, uint32_t code);

/* The HID usage of a key by its W3C UI Events `code` ("KeyW"), 0 where there is none. */
NPLUG_API uint16_t nplug_key_usage_from_code(const char *code);

/* All calls below are made between two steps, on the nest's thread, with the time of the event on
 * the ports' clock (a window system's times may need an offset).  NPLUG_ERR_ARGUMENT for what this
 * window does not stand for or numbers that are none; NPLUG_ERR_ORDER before the port is attached;
 * else as nplug_push. */

/* A key by HID usage went down or up.  Repeats may be passed: they change nothing. */
NPLUG_API nplug_result nplug_window_key(nplug_window *window, nplug_time time, uint16_t usage,
                                        bool down);

/* A mouse button: 1 left, 2 right, 3 middle, 4 back, 5 forward. */
NPLUG_API nplug_result nplug_window_button(nplug_window *window, nplug_time time, unsigned button,
                                           bool down);

/* The mouse moved, in counts or pixels: +x right, +y down, as window systems have it.  `made_up`:
 * the system made it up from a touch; it is not counted. */
NPLUG_API nplug_result nplug_window_move(nplug_window *window, nplug_time time, int32_t dx,
                                         int32_t dy, bool made_up);

/* The mouse is at `at` in [0, 1] from the window's top left, for games that ask where a player
 * points (pointer.h).  Beside nplug_window_move, since a place ends at the window's edge. */
NPLUG_API nplug_result nplug_window_point(nplug_window *window, nplug_time time, nplug_vec2 at);

/* The wheel turned, in 120ths of a notch: +x right, +y away from the person. */
NPLUG_API nplug_result nplug_window_wheel(nplug_window *window, nplug_time time, int32_t dx,
                                          int32_t dy);

/* A finger with the system's number is at (x, y) in [0, 1] from the window's top left, or has gone
 * (`down` false).  NPLUG_ERR_FULL for more fingers than NPLUG_WINDOW_CONTACTS. */
NPLUG_API nplug_result nplug_window_touch(nplug_window *window, nplug_time time, uint32_t finger,
                                          nplug_vec2 at, bool down);

/* The finger with that number presses so hard, in [0, 1]; until that is said, 1. NPLUG_ERR_UNKNOWN:
 * no such finger is down. */
NPLUG_API nplug_result nplug_window_pressure(nplug_window *window, nplug_time time, uint32_t finger,
                                             float pressure);

/* A pen is at `at` in [0, 1] from the window's top left: `near` enough for that to be known, and
 * `down` on it with a pressure in [0, 1] (1 where the system does not tell).  One that is not near
 * is not down. */
NPLUG_API nplug_result nplug_window_pen(nplug_window *window, nplug_time time, nplug_vec2 at,
                                        bool near, bool down, float pressure);

/* The window got or lost the focus.  When it is lost, all buttons of all devices are released,
 * marked cancelled. A control that is pressed or moved before the focus is back is spent (see
 * player.h).
 */
NPLUG_API nplug_result nplug_window_focus(nplug_window *window, nplug_time time, bool focused);

/* A person begins or ends typing text.  While typing, keys are released and not heard, except the
 * `count` usages in `heard` (copied; 16 at most). A key that was pressed meanwhile does not fire
 * when typing ends. */
NPLUG_API nplug_result nplug_window_typing(nplug_window *window, nplug_time time, bool typing,
                                           const uint16_t *heard, size_t count);

/* A pad came (`name` may be NULL) or went, by the number that the system gives it. */
NPLUG_API nplug_result nplug_window_pad(nplug_window *window, nplug_time time, uint32_t pad,
                                        const char *name, bool here);

/* A button of a pad in the W3C standard layout (0 to 16): its value in [0, 1]. */
NPLUG_API nplug_result nplug_window_pad_button(nplug_window *window, nplug_time time, uint32_t pad,
                                               unsigned button, float value);

/* An axis of a pad in the W3C standard layout (0 to 3): its value in [-1, 1], +y down. */
NPLUG_API nplug_result nplug_window_pad_axis(nplug_window *window, nplug_time time, uint32_t pad,
                                             unsigned axis, float value);

/* The word for a number of an nplug_key_scheme: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_key_scheme_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
