/* Fingers and pens on surfaces, zones of a game, a click of whatever points, and heads. */
#include "draw.h"
#include <math.h>
#include <stdio.h>
#include <string.h>

/* A fingertip on a surface. */
static void finger(pen *p, int down, draw_way way)
{
    (void)way;
    draw_disc(p, 0.5, 0.4, 0.12, true);
    if (down) draw_disc(p, 0.5, 0.4, 0.26, false);
    draw_line(p, 0.08, 0.9, 0.92, 0.9);
    draw_head(p, 0.5, 0.84, DRAW_DOWN, 0.14);
}

static void drawing_pen(pen *p, int number, draw_way way)
{
    (void)number, (void)way;
    cairo_save(p->to);
    cairo_translate(p->to, 0.22, 0.82);
    cairo_rotate(p->to, -M_PI / 4);
    draw_box(p, 0.1, -0.09, 0.76, 0.18, 0.05, false);
    draw_box(p, 0.22, -0.09, 0.24, 0.18, 0.03, true);
    cairo_restore(p->to);
    draw_disc(p, 0.2, 0.84, 0.04, true);
}

static void click(pen *p, int number, draw_way way)
{
    (void)number, (void)way;
    draw_disc(p, 0.5, 0.5, 0.12, true);
    for (int i = 0; i < 8; i++)
        draw_line(p, 0.5 + 0.24 * cos(i * M_PI / 4), 0.5 + 0.24 * sin(i * M_PI / 4),
                  0.5 + 0.42 * cos(i * M_PI / 4), 0.5 + 0.42 * sin(i * M_PI / 4));
}

static void head(pen *p, int number, draw_way way)
{
    (void)number, (void)way;
    cairo_new_path(p->to);
    cairo_arc(p->to, 0.5, 0.5, 0.4, M_PI, 2 * M_PI);
    draw_path(p, false);
    draw_box(p, 0.06, 0.44, 0.88, 0.4, 0.12, false);
    draw_disc(p, 0.3, 0.64, 0.11, true);
    draw_disc(p, 0.7, 0.64, 0.11, true);
}

bool draw_touch(pen *p, const char *control)
{
    static const draw_row rows[] = {{"pointer-press", click, 0},
                                    {"headset-pose-view", head, 0},
                                    {"touch-pen-button", drawing_pen, 0},
                                    {"touch-pen-button-2", drawing_pen, 0}};

    if (strncmp(control, "touch-contact-down", 18) == 0) {
        finger(p, 1, DRAW_WHOLE);
        return true;
    }
    if (strncmp(control, "touch-contact", 13) == 0) {
        finger(p, 0, DRAW_WHOLE);
        return true;
    }
    return draw_by_table(p, rows, sizeof rows / sizeof *rows, control);
}

/* --- zones ---------------------------------------------------------------------------------------
 */

/* What is done in a zone, by the end of its name; how long that end is. */
static size_t deed_of(const char *name, const char **deed)
{
    static const char *const deeds[] = {"-tap", "-swipe", "-pinch", "-turn"};
    size_t length = strlen(name);

    *deed = "";
    for (size_t i = 0; i < sizeof deeds / sizeof *deeds; i++) {
        const char *at = strstr(name, deeds[i]);
        if (!at) continue;
        *deed = at + 1;
        return length - (size_t)(at - name);
    }
    return 0;
}

static void draw_deed(pen *p, const char *deed)
{
    if (strncmp(deed, "swipe", 5) == 0) {
        draw_way way = draw_way_of(deed + 5);
        draw_disc(p, 0.5, 0.32, 0.06, true);
        draw_heads(p, 0.5, 0.32, way == DRAW_NONE ? DRAW_WHOLE : way, 0.26, 0.12);
    } else if (strncmp(deed, "pinch", 5) == 0) {
        draw_disc(p, 0.5, 0.32, 0.06, true);
        draw_heads(p, 0.5, 0.32, DRAW_ACROSS, 0.34, 0.18);
    } else if (strncmp(deed, "turn", 4) == 0) {
        cairo_new_path(p->to);
        cairo_arc(p->to, 0.5, 0.38, 0.2, M_PI, 2 * M_PI);
        draw_path(p, false);
        draw_head(p, 0.7, 0.48, DRAW_DOWN, 0.16);
    } else if (*deed) {
        draw_disc(p, 0.5, 0.32, 0.13, true);
    }
}

/* A frame with what is done, and the zone's name. */
void draw_zone(pen *p, const char *name)
{
    const char *deed;
    size_t end = deed_of(name, &deed);
    double dash = 0.1;
    char text[64];

    snprintf(text, sizeof text, "%.*s", (int)(strlen(name) - end), name);
    cairo_set_dash(p->to, &dash, 1, 0);
    draw_box(p, 0.05, 0.05, 0.9, 0.9, 0.12, false);
    cairo_set_dash(p->to, NULL, 0, 0);
    draw_deed(p, deed);
    draw_text(p, 0.12, *deed ? 0.56 : 0.3, 0.76, *deed ? 0.32 : 0.4, text);
}
