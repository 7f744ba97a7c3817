/* Keys and mice. */
#include "draw.h"
#include "width.h"
#include <math.h>
#include <string.h>

/* --- keys ----------------------------------------------------------------------------------------
 */

/* A blank cap is square; a label of more than two cells stretches it. */
double draw_width(const char *name, const char *label)
{
    int cells = width_of(label);

    if (strcmp(name, "key") != 0 || cells <= 2) return 1.0;
    return 0.5 + 0.26 * cells;
}

/* The cap: its side, and its top with the label. */
void draw_key(pen *p, const char *label)
{
    double width = draw_width("key", label);

    draw_box(p, 0.05, 0.05, width - 0.1, 0.9, 0.14, false);
    draw_line(p, 0.14, 0.82, width - 0.14, 0.82);
    draw_text(p, 0.16, 0.15, width - 0.32, width_of(label) <= 2 ? 0.62 : 0.54, label);
}

/* --- mice ----------------------------------------------------------------------------------------
 */

#define LEFT   0.24
#define RIGHT  0.76
#define TOP    0.06
#define BOTTOM 0.94
#define SPLIT  0.42

/* One half of what the fingers lie on. */
static void half(pen *p, bool right)
{
    double side = right ? RIGHT : LEFT, middle = 0.5, corner = 0.24, sign = right ? 1 : -1;

    cairo_new_path(p->to);
    cairo_move_to(p->to, middle, TOP);
    cairo_curve_to(p->to, middle + sign * 0.16, TOP, side, TOP + 0.02, side, TOP + corner);
    cairo_line_to(p->to, side, SPLIT);
    cairo_line_to(p->to, middle, SPLIT);
    cairo_close_path(p->to);
    draw_path(p, true);
}

static void mouse_body(pen *p)
{
    draw_box(p, LEFT, TOP, RIGHT - LEFT, BOTTOM - TOP, 0.25, false);
    draw_line(p, LEFT, SPLIT, RIGHT, SPLIT);
}

static void button(pen *p, int right, draw_way way)
{
    (void)way;
    mouse_body(p);
    draw_line(p, 0.5, TOP, 0.5, SPLIT);
    half(p, right != 0);
}

static void middle_button(pen *p, int number, draw_way way)
{
    (void)number, (void)way;
    mouse_body(p);
    draw_box(p, 0.42, 0.14, 0.16, 0.22, 0.08, true);
}

/* At the thumb: the rear one, the front one. */
static void thumb(pen *p, int front, draw_way way)
{
    (void)way;
    mouse_body(p);
    draw_box(p, 0.1, 0.48, 0.16, 0.16, 0.03, front != 0);
    draw_box(p, 0.1, 0.66, 0.16, 0.16, 0.03, front == 0);
}

static void wheel(pen *p, int number, draw_way way)
{
    (void)number;
    mouse_body(p);
    draw_box(p, 0.44, 0.17, 0.12, 0.16, 0.06, false);
    if (way == DRAW_WHOLE) way = DRAW_ALONG;
    if (way != DRAW_DOWN) draw_head(p, 0.5, 0.46, DRAW_UP, 0.16);
    if (way != DRAW_UP) draw_head(p, 0.5, way == DRAW_DOWN ? 0.64 : 0.84, DRAW_DOWN, 0.16);
}

/* A small mouse with arrows around it. */
static void move(pen *p, int number, draw_way way)
{
    (void)number;
    draw_smaller(p, 0.24, 0.24, 0.52);
    mouse_body(p);
    draw_again(p, 0.52);
    draw_heads(p, 0.5, 0.5, way, 0.48, 0.17);
}

/* The pointer on the screen. */
static void place(pen *p, int number, draw_way way)
{
    static const double at[][2] = {{0.25, 0.08}, {0.25, 0.8}, {0.42, 0.64}, {0.54, 0.92},
                                   {0.66, 0.86}, {0.54, 0.6}, {0.77, 0.58}};

    (void)number, (void)way;
    cairo_new_path(p->to);
    for (size_t i = 0; i < sizeof at / sizeof *at; i++)
        cairo_line_to(p->to, at[i][0], at[i][1]);
    cairo_close_path(p->to);
    draw_path(p, true);
}

bool draw_mouse(pen *p, const char *control)
{
    static const draw_row rows[] = {
        {"left", button, 0}, {"right", button, 1},  {"middle", middle_button, 0},
        {"back", thumb, 0},  {"forward", thumb, 1}, {"wheel", wheel, 0},
        {"move", move, 0},   {"place", place, 0}};

    return draw_by_table(p, rows, sizeof rows / sizeof *rows, control);
}
