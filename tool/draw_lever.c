/* Flight sticks and their levers and pedals; steering wheels. */
#include "draw.h"
#include <math.h>
#include <stdlib.h>
#include <string.h>

/* --- sticks and levers --------------------------------------------------------------------------
 */

/* A stick on its foot, with the ways in which it goes beside it; or one, for an end. */
static void stick(pen *p, int ways, draw_way way)
{
    bool across = ways == DRAW_ACROSS, one = way == DRAW_UP || way == DRAW_DOWN;
    double size = one ? 0.24 : 0.16;

    draw_box(p, 0.2, 0.78, 0.6, 0.14, 0.05, false);
    draw_line(p, 0.5, 0.78, 0.5, 0.5);
    draw_box(p, 0.42, 0.2, 0.16, 0.36, 0.08, true);
    if (across && one) way = way == DRAW_UP ? DRAW_RIGHT : DRAW_LEFT;
    if (!one) way = (draw_way)ways;
    draw_heads(p, across ? 0.5 : 0.8, 0.4, way, across ? 0.44 : 0.3, size);
}

/* Of an axis that goes across, its ends are left and right. */
static draw_way across(draw_way way)
{
    return way == DRAW_UP ? DRAW_RIGHT : way == DRAW_DOWN ? DRAW_LEFT : DRAW_ACROSS;
}

/* A stick that is turned on itself. */
static void twist(pen *p, int number, draw_way way)
{
    (void)number;
    draw_box(p, 0.42, 0.34, 0.16, 0.36, 0.08, true);
    cairo_new_path(p->to);
    cairo_arc(p->to, 0.5, 0.52, 0.38, 0.4, M_PI - 0.4);
    draw_path(p, false);
    draw_heads(p, 0.5, 0.66, across(way), 0.46, 0.22);
}

/* A lever in its slot; low, or high. */
static void lever(pen *p, int number, draw_way way)
{
    (void)number;
    draw_box(p, 0.44, 0.06, 0.12, 0.88, 0.05, false);
    draw_box(p, 0.24, way == DRAW_UP ? 0.12 : way == DRAW_DOWN ? 0.7 : 0.4, 0.52, 0.18, 0.06, true);
}

/* A knob that slides. */
static void slider(pen *p, int number, draw_way way)
{
    (void)number, (void)way;
    draw_box(p, 0.06, 0.44, 0.88, 0.12, 0.05, false);
    draw_box(p, 0.4, 0.24, 0.2, 0.52, 0.06, true);
}

/* One of two or three pedals. */
static void pedal(pen *p, int which, int of)
{
    double width = of == 3 ? 0.22 : 0.3, gap = (0.92 - of * width) / (of - 1);

    for (int i = 0; i < of; i++)
        draw_box(p, 0.04 + i * (width + gap), 0.2, width, 0.6, 0.06, i == which);
}

static void brake_pedal(pen *p, int which, draw_way way)
{
    (void)way;
    pedal(p, which, 2);
}

static void rudder(pen *p, int number, draw_way way)
{
    (void)number;
    draw_box(p, 0.04, 0.34, 0.3, 0.5, 0.06, true);
    draw_box(p, 0.66, 0.34, 0.3, 0.5, 0.06, true);
    draw_heads(p, 0.5, 0.16, across(way), 0.24, 0.16);
}

static void dial(pen *p, int number, draw_way way)
{
    (void)number, (void)way;
    draw_disc(p, 0.5, 0.5, 0.36, false);
    draw_line(p, 0.5, 0.5, 0.72, 0.24);
    draw_disc(p, 0.5, 0.5, 0.09, true);
}

static void hat(pen *p, int number, draw_way way)
{
    (void)number;
    draw_disc(p, 0.5, 0.5, 0.44, false);
    draw_disc(p, 0.5, 0.5, 0.1, true);
    draw_heads(p, 0.5, 0.5, way, 0.38, 0.18);
}

/* What is counted: a disc or a shape, with the number in it where it is more than one. */
static bool draw_counted(pen *p, const char *control)
{
    static const struct {
        const char *head;
        void (*draw)(pen *p, int number, draw_way way);
    } rows[] = {{"hat-", hat}, {"slider-", slider}, {"dial-", dial}};
    static const draw_row ways[] = {{"", hat, 0}};

    if (strncmp(control, "button-", 7) == 0) {
        draw_disc(p, 0.5, 0.5, 0.44, false);
        draw_text(p, 0.22, 0.22, 0.56, 0.56, control + 7);
        return true;
    }
    for (size_t i = 0; i < sizeof rows / sizeof *rows; i++) {
        char *end;
        if (strncmp(control, rows[i].head, strlen(rows[i].head)) != 0) continue;
        strtol(control + strlen(rows[i].head), &end, 10);
        if (rows[i].draw == hat) return draw_by_table(p, ways, 1, end);
        rows[i].draw(p, 0, DRAW_WHOLE);
        return true;
    }
    return false;
}

bool draw_lever(pen *p, const char *control)
{
    static const draw_row rows[] = {{"aileron", stick, DRAW_ACROSS},
                                    {"elevator", stick, DRAW_ALONG},
                                    {"twist", twist, 0},
                                    {"rudder", rudder, 0},
                                    {"brake-left", brake_pedal, 0},
                                    {"brake-right", brake_pedal, 1},
                                    {"throttle", lever, 0},
                                    {"throttle-2", lever, 0}};

    return draw_by_table(p, rows, sizeof rows / sizeof *rows, control) || draw_counted(p, control);
}

/* --- wheels -------------------------------------------------------------------------------------
 */

static void steering(pen *p, int number, draw_way way)
{
    (void)number;
    draw_disc(p, 0.5, 0.54, 0.4, false);
    draw_disc(p, 0.5, 0.54, 0.12, true);
    draw_line(p, 0.1, 0.54, 0.9, 0.54);
    draw_line(p, 0.5, 0.54, 0.5, 0.94);
    draw_heads(p, 0.5, 0.28, across(way), 0.2, 0.14);
}

/* Clutch, brake, accelerator, from the left. */
static void wheel_pedal(pen *p, int which, draw_way way)
{
    (void)way;
    pedal(p, which, 3);
}

static void handbrake(pen *p, int number, draw_way way)
{
    (void)number, (void)way;
    draw_box(p, 0.1, 0.8, 0.8, 0.12, 0.04, false);
    cairo_save(p->to);
    cairo_translate(p->to, 0.24, 0.8);
    cairo_rotate(p->to, -0.8);
    draw_box(p, 0, -0.08, 0.84, 0.16, 0.07, true);
    cairo_restore(p->to);
}

/* The paddles behind the rim: down on the left, up on the right. */
static void paddle(pen *p, int up, draw_way way)
{
    (void)way;
    draw_disc(p, 0.5, 0.5, 0.26, false);
    draw_box(p, 0.04, 0.26, 0.14, 0.48, 0.05, up == 0);
    draw_box(p, 0.82, 0.26, 0.14, 0.48, 0.05, up != 0);
    draw_head(p, 0.5, up ? 0.4 : 0.6, up ? DRAW_UP : DRAW_DOWN, 0.16);
}

bool draw_wheel(pen *p, const char *control)
{
    static const draw_row rows[] = {{"steering", steering, 0},   {"clutch", wheel_pedal, 0},
                                    {"brake", wheel_pedal, 1},   {"accelerator", wheel_pedal, 2},
                                    {"handbrake", handbrake, 0}, {"shift-down", paddle, 0},
                                    {"shift-up", paddle, 1}};

    return draw_by_table(p, rows, sizeof rows / sizeof *rows, control) || draw_counted(p, control);
}
