/* VR controllers: the outline as the left hand holds it; a bar stands on the hand's side. */
#include "draw.h"
#include <math.h>

/* The head above the thumb, and the grip below. */
static void body(pen *p)
{
    cairo_new_path(p->to);
    cairo_move_to(p->to, 0.34, 0.56);
    cairo_curve_to(p->to, 0.16, 0.5, 0.2, 0.08, 0.54, 0.08);
    cairo_curve_to(p->to, 0.9, 0.08, 0.94, 0.5, 0.74, 0.56);
    cairo_line_to(p->to, 0.68, 0.88);
    cairo_curve_to(p->to, 0.67, 0.98, 0.41, 0.98, 0.4, 0.88);
    cairo_close_path(p->to);
    draw_path(p, false);
}

static void trigger(pen *p, int number, draw_way way)
{
    (void)number, (void)way;
    body(p);
    draw_box(p, 0.36, 0.16, 0.36, 0.24, 0.1, true);
}

static void squeeze(pen *p, int number, draw_way way)
{
    (void)number, (void)way;
    body(p);
    draw_box(p, 0.46, 0.6, 0.16, 0.28, 0.06, true);
}

static void thumbstick(pen *p, int pressed, draw_way way)
{
    body(p);
    draw_knob(p, 0.54, 0.33, 0.19, way, pressed != 0);
}

/* The lower one and the upper one. */
static void button(pen *p, int upper, draw_way way)
{
    (void)way;
    body(p);
    draw_disc(p, 0.54, 0.22, upper ? 0.1 : 0.07, upper != 0);
    draw_disc(p, 0.54, 0.45, upper ? 0.07 : 0.1, upper == 0);
}

static void menu(pen *p, int number, draw_way way)
{
    (void)number, (void)way;
    body(p);
    for (int i = 0; i < 3; i++)
        draw_box(p, 0.42, 0.22 + 0.1 * i, 0.24, 0.05, 0.02, true);
}

static void rest(pen *p, int number, draw_way way)
{
    (void)number, (void)way;
    body(p);
    draw_box(p, 0.36, 0.38, 0.36, 0.1, 0.05, true);
}

/* Where the hand is, or where it points. */
static void pose(pen *p, int points, draw_way way)
{
    (void)way;
    body(p);
    if (points) {
        draw_line(p, 0.54, 0.5, 0.54, 0.24);
        draw_head(p, 0.54, 0.16, DRAW_UP, 0.16);
    } else {
        draw_heads(p, 0.54, 0.34, DRAW_WHOLE, 0.2, 0.1);
    }
}

bool draw_hand(pen *p, const char *control, bool right)
{
    static const draw_row rows[] = {{"trigger", trigger, 0},
                                    {"squeeze", squeeze, 0},
                                    {"thumbstick", thumbstick, 0},
                                    {"thumbstick-click", thumbstick, 1},
                                    {"lower", button, 0},
                                    {"upper", button, 1},
                                    {"menu", menu, 0},
                                    {"thumbrest-touch", rest, 0},
                                    {"pose-grip", pose, 0},
                                    {"pose-aim", pose, 1}};

    draw_box(p, right ? 0.9 : 0.03, 0.3, 0.07, 0.5, 0.03, true);
    if (right) cairo_translate(p->to, -0.08, 0);
    return draw_by_table(p, rows, sizeof rows / sizeof *rows, control);
}
