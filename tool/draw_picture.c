/* Which sort of hardware draws a picture. */
#include "draw.h"
#include <string.h>

static const char *after(const char *name, const char *head)
{
    size_t length = strlen(head);
    return strncmp(name, head, length) == 0 ? name + length : NULL;
}

static bool draw_known(pen *p, const char *name)
{
    const char *rest;

    if ((rest = after(name, "pad-"))) return draw_pad(p, rest);
    if ((rest = after(name, "mouse-"))) return draw_mouse(p, rest);
    if ((rest = after(name, "hand-left-"))) return draw_hand(p, rest, false);
    if ((rest = after(name, "hand-right-"))) return draw_hand(p, rest, true);
    if ((rest = after(name, "stick-"))) return draw_lever(p, rest);
    if ((rest = after(name, "wheel-"))) return draw_wheel(p, rest);
    return draw_touch(p, name);
}

void draw_picture(pen *p, const char *name, const char *label)
{
    const char *zone = after(name, "zone-");

    if (strcmp(name, "key") == 0) {
        draw_key(p, label);
    } else if (zone) {
        draw_zone(p, zone);
    } else if (!draw_known(p, name)) {
        draw_box(p, 0.06, 0.06, 0.88, 0.88, 0.12, false);
        draw_text(p, 0.12, 0.3, 0.76, 0.4, name);
    }
}
