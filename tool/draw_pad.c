/* Pads: the outline, and of its clusters only the one of the control, so that it is large. */
#include "draw.h"
#include <math.h>

/* The body, from shoulder to handle; `dashed`: as seen from behind. */
static void body(pen *p, double top, bool dashed)
{
    double dash = 0.05;

    cairo_new_path(p->to);
    cairo_move_to(p->to, 0.27, top);
    cairo_line_to(p->to, 0.73, top);
    cairo_curve_to(p->to, 0.94, top, 0.98, 0.62, 0.96, 0.78);
    cairo_curve_to(p->to, 0.95, 0.9, 0.84, 0.9, 0.78, 0.8);
    cairo_line_to(p->to, 0.22, 0.8);
    cairo_curve_to(p->to, 0.16, 0.9, 0.05, 0.9, 0.04, 0.78);
    cairo_curve_to(p->to, 0.02, 0.62, 0.06, top, 0.27, top);
    cairo_close_path(p->to);
    if (dashed) cairo_set_dash(p->to, &dash, 1, 0);
    draw_path(p, false);
    cairo_set_dash(p->to, NULL, 0, 0);
}

/* South, east, west, north. */
static void face(pen *p, int which, draw_way way)
{
    static const double at[][2] = {{0, 1}, {1, 0}, {-1, 0}, {0, -1}};

    (void)way;
    body(p, 0.16, false);
    for (int i = 0; i < 4; i++)
        draw_disc(p, 0.62 + 0.17 * at[i][0], 0.48 + 0.17 * at[i][1], i == which ? 0.09 : 0.06,
                  i == which);
}

/* Up, down, left, right. */
static void dpad(pen *p, int which, draw_way way)
{
    static const double arms[][4] = {{-0.07, -0.24, 0.14, 0.17},
                                     {-0.07, 0.07, 0.14, 0.17},
                                     {-0.24, -0.07, 0.17, 0.14},
                                     {0.07, -0.07, 0.17, 0.14}};

    (void)way;
    body(p, 0.16, false);
    for (int i = 0; i < 4; i++)
        draw_box(p, 0.38 + arms[i][0], 0.48 + arms[i][1], arms[i][2], arms[i][3], 0.03, i == which);
}

static void stick(pen *p, int right, draw_way way)
{
    body(p, 0.16, false);
    draw_knob(p, right ? 0.66 : 0.34, 0.47, 0.22, way, false);
    draw_disc(p, right ? 0.3 : 0.7, 0.47, 0.06, false);
}

/* Pressed in. */
static void click(pen *p, int right, draw_way way)
{
    (void)way;
    body(p, 0.16, false);
    draw_knob(p, right ? 0.66 : 0.34, 0.47, 0.22, DRAW_WHOLE, true);
    draw_disc(p, right ? 0.3 : 0.7, 0.47, 0.06, false);
}

/* Flat, above the body. */
static void shoulder(pen *p, int right, draw_way way)
{
    (void)way;
    body(p, 0.36, false);
    draw_box(p, 0.1, 0.16, 0.32, 0.14, 0.06, !right);
    draw_box(p, 0.58, 0.16, 0.32, 0.14, 0.06, right != 0);
}

/* High, above the body. */
static void trigger(pen *p, int right, draw_way way)
{
    (void)way;
    body(p, 0.42, false);
    draw_box(p, 0.16, 0.06, 0.2, 0.3, 0.09, !right);
    draw_box(p, 0.64, 0.06, 0.2, 0.3, 0.09, right != 0);
}

/* Select, home, start. */
static void middle(pen *p, int which, draw_way way)
{
    (void)way;
    body(p, 0.16, false);
    draw_box(p, 0.16, 0.4, 0.2, 0.13, 0.06, which == 0);
    draw_disc(p, 0.5, 0.465, 0.09, which == 1);
    draw_box(p, 0.64, 0.4, 0.2, 0.13, 0.06, which == 2);
}

/* The buttons at the back: left, right, and the second ones below. */
static void rear(pen *p, int which, draw_way way)
{
    (void)way;
    body(p, 0.16, true);
    for (int i = 0; i < 4; i++)
        draw_box(p, i % 2 ? 0.6 : 0.22, i < 2 ? 0.28 : 0.54, 0.18, 0.16, 0.06, i == which);
}

static void surface(pen *p, int filled, draw_way way)
{
    (void)way;
    body(p, 0.16, false);
    draw_box(p, 0.26, 0.26, 0.48, 0.34, 0.05, filled != 0);
}

/* How the pad itself is moved: turned, rolled, tilted. */
static void motion(pen *p, int which, draw_way way)
{
    (void)way;
    draw_smaller(p, 0.14, 0.14, 0.72);
    cairo_translate(p->to, 0.5, 0.5);
    if (which == 1) cairo_rotate(p->to, -0.35);
    if (which == 2) cairo_scale(p->to, 1, 0.6);
    cairo_translate(p->to, -0.5, -0.5);
    body(p, 0.16, false);
    draw_again(p, 0.72);
    if (which == 2) {
        draw_heads(p, 0.5, 0.5, DRAW_ALONG, 0.48, 0.18);
        return;
    }
    cairo_new_path(p->to);
    cairo_arc(p->to, 0.5, 0.52, 0.44, which ? -2.2 : 0.9, which ? -0.9 : 2.2);
    draw_path(p, false);
    draw_heads(p, 0.5, which ? 0.18 : 0.88, DRAW_ACROSS, 0.34, 0.16);
}

bool draw_pad(pen *p, const char *control)
{
    static const draw_row rows[] = {{"south", face, 0},
                                    {"east", face, 1},
                                    {"west", face, 2},
                                    {"north", face, 3},
                                    {"dpad-up", dpad, 0},
                                    {"dpad-down", dpad, 1},
                                    {"dpad-left", dpad, 2},
                                    {"dpad-right", dpad, 3},
                                    {"stick-left", stick, 0},
                                    {"stick-right", stick, 1},
                                    {"stick-left-click", click, 0},
                                    {"stick-right-click", click, 1},
                                    {"shoulder-left", shoulder, 0},
                                    {"shoulder-right", shoulder, 1},
                                    {"trigger-left", trigger, 0},
                                    {"trigger-right", trigger, 1},
                                    {"select", middle, 0},
                                    {"home", middle, 1},
                                    {"start", middle, 2},
                                    {"rear-left", rear, 0},
                                    {"rear-right", rear, 1},
                                    {"rear-left-2", rear, 2},
                                    {"rear-right-2", rear, 3},
                                    {"touchpad", surface, 1},
                                    {"turn", motion, 0},
                                    {"roll", motion, 1},
                                    {"tilt", motion, 2}};

    return draw_by_table(p, rows, sizeof rows / sizeof *rows, control);
}
