/* Pictures of controls, drawn in one ink: outlines of hardware with the one control filled in.
 * Every picture is a square from (0, 0) at its top left to (1, 1), keys may be wider. */
#ifndef DRAW_H
#define DRAW_H

#include <cairo.h>
#include <stdbool.h>
#include <stddef.h>

/* Draws into a square. */
typedef struct pen {
    cairo_t *to;
    double line; /* how thick lines are, as a share of the square's side */
    int missing; /* signs of labels that no font has, so far */
} pen;

/* A way to which something is moved; whole: none. */
typedef enum draw_way {
    DRAW_WHOLE,
    DRAW_UP,
    DRAW_DOWN,
    DRAW_LEFT,
    DRAW_RIGHT,
    DRAW_ACROSS, /* left and right */
    DRAW_ALONG,  /* up and down */
    DRAW_NONE    /* a text that names none */
} draw_way;

/* Draws a picture by its name ("pad-south"); of keys with a label.  What has no drawing of its own
 * is its name's text in a frame.  draw_width is how wide it is, at least 1. */
void draw_picture(pen *p, const char *name, const char *label);
double draw_width(const char *name, const char *label);

/* One sort of hardware each: of the name after its class ("south", "stick-left-up").  False: it has
 * no drawing. */
bool draw_pad(pen *p, const char *control);
bool draw_mouse(pen *p, const char *control);
bool draw_hand(pen *p, const char *control, bool right);
bool draw_lever(pen *p, const char *control);
bool draw_wheel(pen *p, const char *control);
bool draw_touch(pen *p, const char *control);
void draw_zone(pen *p, const char *name);
void draw_key(pen *p, const char *label);

/* Finds the row of a table whose name is a whole name, or its beginning before a way ("-up", "-x",
 * "-high"); *way says which.  -1: none. */
typedef struct draw_row {
    const char *name;
    void (*draw)(pen *p, int number, draw_way way);
    int number;
} draw_row;
draw_way draw_way_of(const char *end);
bool draw_by_table(pen *p, const draw_row *rows, size_t count, const char *control);

/* Shapes: filled, or their lines. */
void draw_disc(pen *p, double x, double y, double radius, bool filled);
void draw_box(pen *p, double x, double y, double width, double height, double corner, bool filled);
void draw_line(pen *p, double x, double y, double to_x, double to_y);
/* The path that was made in p->to. */
void draw_path(pen *p, bool filled);

/* All until draw_again is drawn smaller, from (x, y) on, with lines as thick as ever. */
void draw_smaller(pen *p, double x, double y, double scale);
void draw_again(pen *p, double scale);

/* An arrow's head that points a way, with its tip there; of across and along two, `apart` on either
 * side. */
void draw_head(pen *p, double x, double y, draw_way way, double size);
void draw_heads(pen *p, double x, double y, draw_way way, double apart, double size);

/* A round knob in a ring, moved a way; pressed in, the whole is filled but an arrow. */
void draw_knob(pen *p, double x, double y, double radius, draw_way way, bool pressed);

/* A text in the middle of a box, as large as fits, at most so high. */
void draw_text(pen *p, double x, double y, double width, double height, const char *text);

#endif
