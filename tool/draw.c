#include "draw.h"
#include <math.h>
#include <pango/pangocairo.h>
#include <string.h>

/* --- shapes ----------------------------------------------------------------------------------- */

void draw_path(pen *p, bool filled)
{
    cairo_set_line_width(p->to, p->line);
    if (filled) cairo_fill_preserve(p->to);
    cairo_stroke(p->to);
}

void draw_disc(pen *p, double x, double y, double radius, bool filled)
{
    cairo_new_path(p->to);
    cairo_arc(p->to, x, y, radius, 0, 2 * M_PI);
    draw_path(p, filled);
}

void draw_box(pen *p, double x, double y, double width, double height, double corner, bool filled)
{
    double right = x + width, bottom = y + height;

    cairo_new_path(p->to);
    cairo_arc(p->to, right - corner, y + corner, corner, -M_PI / 2, 0);
    cairo_arc(p->to, right - corner, bottom - corner, corner, 0, M_PI / 2);
    cairo_arc(p->to, x + corner, bottom - corner, corner, M_PI / 2, M_PI);
    cairo_arc(p->to, x + corner, y + corner, corner, M_PI, 3 * M_PI / 2);
    cairo_close_path(p->to);
    draw_path(p, filled);
}

void draw_line(pen *p, double x, double y, double to_x, double to_y)
{
    cairo_new_path(p->to);
    cairo_move_to(p->to, x, y);
    cairo_line_to(p->to, to_x, to_y);
    draw_path(p, false);
}

/* --- arrows and knobs ---------------------------------------------------------------------------
 */

static const double toward[][2] = {
    [DRAW_WHOLE] = {0, 0}, [DRAW_UP] = {0, -1},    [DRAW_DOWN] = {0, 1}, [DRAW_LEFT] = {-1, 0},
    [DRAW_RIGHT] = {1, 0}, [DRAW_ACROSS] = {0, 0}, [DRAW_ALONG] = {0, 0}};

void draw_head(pen *p, double x, double y, draw_way way, double size)
{
    double dx = toward[way][0], dy = toward[way][1];

    cairo_new_path(p->to);
    cairo_move_to(p->to, x, y);
    cairo_line_to(p->to, x - size * dx - 0.8 * size * dy, y - size * dy - 0.8 * size * dx);
    cairo_line_to(p->to, x - size * dx + 0.8 * size * dy, y - size * dy + 0.8 * size * dx);
    cairo_close_path(p->to);
    cairo_fill(p->to);
}

void draw_heads(pen *p, double x, double y, draw_way way, double apart, double size)
{
    static const draw_way each[] = {DRAW_UP, DRAW_DOWN, DRAW_LEFT, DRAW_RIGHT};

    for (int i = 0; i < 4; i++) {
        bool upright = i < 2;
        if (way == each[i] || way == DRAW_WHOLE || way == (upright ? DRAW_ALONG : DRAW_ACROSS))
            draw_head(p, x + apart * toward[each[i]][0], y + apart * toward[each[i]][1], each[i],
                      size);
    }
}

/* Filled, with an arrow into it left open. */
static void draw_pressed(pen *p, double x, double y, double radius)
{
    double half = 0.5 * radius;

    draw_disc(p, x, y, radius, false);
    cairo_new_path(p->to);
    cairo_arc(p->to, x, y, radius, 0, 2 * M_PI);
    cairo_new_sub_path(p->to);
    cairo_move_to(p->to, x, y + 1.3 * half);
    cairo_line_to(p->to, x - 1.1 * half, y - 0.1 * half);
    cairo_line_to(p->to, x - 0.4 * half, y - 0.1 * half);
    cairo_line_to(p->to, x - 0.4 * half, y - 1.2 * half);
    cairo_line_to(p->to, x + 0.4 * half, y - 1.2 * half);
    cairo_line_to(p->to, x + 0.4 * half, y - 0.1 * half);
    cairo_line_to(p->to, x + 1.1 * half, y - 0.1 * half);
    cairo_close_path(p->to);
    cairo_set_fill_rule(p->to, CAIRO_FILL_RULE_EVEN_ODD);
    cairo_fill(p->to);
    cairo_set_fill_rule(p->to, CAIRO_FILL_RULE_WINDING);
}

void draw_knob(pen *p, double x, double y, double radius, draw_way way, bool pressed)
{
    double knob = 0.5 * radius, far = radius - 0.75 * knob;

    if (pressed) {
        draw_pressed(p, x, y, radius);
        return;
    }
    draw_disc(p, x, y, radius, false);
    if (way == DRAW_ACROSS || way == DRAW_ALONG) {
        draw_disc(p, x, y, 0.3 * radius, true);
        draw_heads(p, x, y, way, 0.9 * radius, 0.45 * radius);
    } else {
        draw_disc(p, x + far * toward[way][0], y + far * toward[way][1], knob, true);
    }
}

/* --- texts --------------------------------------------------------------------------------------
 */

/* A layout whose letters are laid out large, to be scaled into place. */
static PangoLayout *lay_out(pen *p, const char *text)
{
    PangoLayout *layout = pango_cairo_create_layout(p->to);
    PangoFontDescription *font = pango_font_description_from_string("Sans Bold 64");

    pango_layout_set_font_description(layout, font);
    pango_layout_set_text(layout, text, -1);
    pango_font_description_free(font);
    p->missing += pango_layout_get_unknown_glyphs_count(layout);
    return layout;
}

void draw_smaller(pen *p, double x, double y, double scale)
{
    cairo_save(p->to);
    cairo_translate(p->to, x, y);
    cairo_scale(p->to, scale, scale);
    p->line /= scale;
}

void draw_again(pen *p, double scale)
{
    cairo_restore(p->to);
    p->line *= scale;
}

/* In pixels, since fonts are made for those. */
void draw_text(pen *p, double x, double y, double width, double height, const char *text)
{
    PangoLayout *layout;
    PangoRectangle ink, box;
    double scale;

    cairo_save(p->to);
    cairo_user_to_device(p->to, &x, &y);
    cairo_user_to_device_distance(p->to, &width, &height);
    cairo_identity_matrix(p->to);
    layout = lay_out(p, text);
    pango_layout_get_pixel_extents(layout, &ink, &box);
    if (ink.width > 0 && ink.height > 0) {
        scale = fmin(width / ink.width, height / box.height);
        cairo_translate(p->to, x + width / 2 - scale * (ink.x + ink.width / 2.0),
                        y + height / 2 - scale * (box.y + box.height / 2.0));
        cairo_scale(p->to, scale, scale);
        cairo_move_to(p->to, 0, 0);
        pango_cairo_show_layout(p->to, layout);
    }
    g_object_unref(layout);
    cairo_restore(p->to);
}

/* --- which row of a table
 * ------------------------------------------------------------------------------
 */

static const struct {
    const char *end;
    draw_way way;
} ends[] = {{"", DRAW_WHOLE},     {"-up", DRAW_UP},       {"-down", DRAW_DOWN},
            {"-left", DRAW_LEFT}, {"-right", DRAW_RIGHT}, {"-x", DRAW_ACROSS},
            {"-y", DRAW_ALONG},   {"-high", DRAW_UP},     {"-low", DRAW_DOWN}};

draw_way draw_way_of(const char *end)
{
    for (size_t e = 0; e < sizeof ends / sizeof *ends; e++)
        if (strcmp(end, ends[e].end) == 0) return ends[e].way;
    return DRAW_NONE;
}

bool draw_by_table(pen *p, const draw_row *rows, size_t count, const char *control)
{
    for (size_t r = 0; r < count; r++) {
        size_t length = strlen(rows[r].name);
        if (strncmp(rows[r].name, control, length) != 0) continue;
        if (draw_way_of(control + length) == DRAW_NONE) continue;
        rows[r].draw(p, rows[r].number, draw_way_of(control + length));
        return true;
    }
    return false;
}
