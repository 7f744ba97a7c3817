#include "atlas.h"
#include <stdio.h>

#ifdef NPLUG_HAS_DRAWING
#include "album.h"
#include "draw.h"
#include <cairo-svg.h>
#include <errno.h>
#include <jansson.h>
#include <math.h>
#include <pango/pangocairo.h>
#include <stdlib.h>
#include <string.h>

/* So many pictures side by side, about. */
#define ACROSS 12

/* Where a picture is, in pixels. */
typedef struct place {
    int x, y, width;
} place;

typedef struct sheet {
    album needed;
    place *places;
    int width, height, size, gap;
} sheet;

/* --- where each is ------------------------------------------------------------------------------
 */

static int width_at(const sheet *all, size_t i)
{
    const picture *one = &all->needed.list[i];
    return (int)ceil(all->size * draw_width(one->name, one->label));
}

/* In rows from the left. */
static void lay_out(sheet *all)
{
    int x = all->gap, y = all->gap, most = ACROSS * (all->size + all->gap);

    for (size_t i = 0; i < all->needed.count; i++) {
        int width = width_at(all, i);
        if (x > all->gap && x + width > most) {
            x = all->gap;
            y += all->size + all->gap;
        }
        all->places[i].x = x;
        all->places[i].y = y;
        all->places[i].width = width;
        x += width + all->gap;
        if (x > all->width) all->width = x;
    }
    all->height = y + all->size + all->gap;
}

/* --- drawn --------------------------------------------------------------------------------------
 */

static void tell_missing(const picture *one, int missing)
{
    if (missing)
        fprintf(stderr, "%s \"%s\": no font of this system has its sign%s\n", one->name, one->label,
                missing > 1 ? "s" : "");
}

/* Lines are never thinner than a pixel, so small pictures stay clear. */
static int draw_one(const sheet *all, size_t i, cairo_t *to)
{
    pen p = {to, fmax(0.055, 1.2 / all->size), 0};

    cairo_save(to);
    cairo_translate(to, all->places[i].x, all->places[i].y);
    cairo_rectangle(to, 0, 0, all->places[i].width, all->size);
    cairo_clip(to);
    cairo_scale(to, all->size, all->size);
    draw_picture(&p, all->needed.list[i].name, all->needed.list[i].label);
    cairo_restore(to);
    tell_missing(&all->needed.list[i], p.missing);
    return p.missing;
}

static void draw_all(const sheet *all, bool dark, cairo_surface_t *surface)
{
    cairo_t *to = cairo_create(surface);
    double ink = dark ? 0.93 : 0.1;
    int missing = 0;

    cairo_set_source_rgb(to, ink, ink, dark ? ink : ink + 0.06);
    cairo_set_line_join(to, CAIRO_LINE_JOIN_ROUND);
    cairo_set_line_cap(to, CAIRO_LINE_CAP_ROUND);
    for (size_t i = 0; i < all->needed.count; i++)
        missing += draw_one(all, i, to);
    if (missing)
        fprintf(stderr, "Boxes are drawn instead; fonts-dejavu-core has Latin, Greek, Cyrillic, "
                        "Hebrew and Arabic signs, fonts-noto others\n");
    cairo_destroy(to);
}

/* False where it cannot be written. */
static bool write_image(const sheet *all, const atlas_wishes *asked)
{
    bool svg = tool_ends_in(asked->path, ".svg");
    cairo_surface_t *surface =
        svg ? cairo_svg_surface_create(asked->path, all->width, all->height)
            : cairo_image_surface_create(CAIRO_FORMAT_ARGB32, all->width, all->height);
    cairo_status_t status;

    draw_all(all, asked->dark != 0, surface);
    status = svg ? CAIRO_STATUS_SUCCESS : cairo_surface_write_to_png(surface, asked->path);
    cairo_surface_finish(surface);
    if (status == CAIRO_STATUS_SUCCESS) status = cairo_surface_status(surface);
    cairo_surface_destroy(surface);
    if (status != CAIRO_STATUS_SUCCESS)
        fprintf(stderr, "%s: %s\n", asked->path, cairo_status_to_string(status));
    return status == CAIRO_STATUS_SUCCESS;
}

/* --- told ----------------------------------------------------------------------------------------
 */

/* The columns of a cap between its round ends can be stretched. */
static json_t *picture_json(const sheet *all, size_t i)
{
    const picture *one = &all->needed.list[i];
    const place *at = &all->places[i];
    json_t *object = json_pack("{s:s, s:i, s:i, s:i, s:i}", "name", one->name, "x", at->x, "y",
                               at->y, "width", at->width, "height", all->size);

    if (strcmp(one->name, "key") != 0) return object;
    json_object_set_new(object, "label", json_string(one->label));
    json_object_set_new(object, "stretch",
                        json_pack("[i, i]", all->size / 4, at->width - all->size / 4));
    return object;
}

static const char *file_of(const char *path)
{
    const char *slash = strrchr(path, '/');
    return slash ? slash + 1 : path;
}

static bool write_places(const sheet *all, const atlas_wishes *asked)
{
    json_t *list = json_array(), *root;
    size_t length = strlen(asked->path);
    char *path = (char *)malloc(length + 6);
    bool written;

    if (!path) return false;
    memcpy(path, asked->path, length + 1);
    strcpy(path + length - (length > 4 ? 4 : 0), ".json");
    for (size_t i = 0; i < all->needed.count; i++)
        json_array_append_new(list, picture_json(all, i));
    root = json_pack("{s:s, s:i, s:s, s:i, s:i, s:s, s:o}", "nestplug", "atlas", "version", 1,
                     "image", file_of(asked->path), "width", all->width, "height", all->height,
                     "ink", asked->dark ? "light" : "dark", "pictures", list);
    written = json_dump_file(root, path, JSON_INDENT(2)) == 0;
    if (!written) fprintf(stderr, "%s: %s\n", path, strerror(errno));
    json_decref(root);
    free(path);
    return written;
}

/* A cap without a label is always there, to be filled by a game. */
static void need_blank(album *needed)
{
    picture *larger = (picture *)realloc(needed->list, (needed->count + 1) * sizeof *larger);

    if (!larger) return;
    needed->list = larger;
    memset(&larger[needed->count], 0, sizeof *larger);
    strcpy(larger[needed->count++].name, "key");
}

int atlas_write(const desks *all, const atlas_wishes *asked)
{
    sheet drawn = {.size = asked->size, .gap = asked->size / 6 + 1};
    bool written = false;

    if (!tool_ends_in(asked->path, ".png") && !tool_ends_in(asked->path, ".svg")) {
        fprintf(stderr, "--atlas %s: a name that ends in .png or .svg is expected\n", asked->path);
        return TOOL_USAGE;
    }
    drawn.needed = album_of(all, true);
    need_blank(&drawn.needed);
    drawn.places = (place *)calloc(drawn.needed.count + 1, sizeof *drawn.places);
    if (drawn.places) {
        lay_out(&drawn);
        written = write_image(&drawn, asked) && write_places(&drawn, asked);
    }
    if (written)
        printf("%s: %zu pictures, %d x %d pixels\n", asked->path, drawn.needed.count, drawn.width,
               drawn.height);
    free(drawn.places);
    album_free(&drawn.needed);
    pango_cairo_font_map_set_default(NULL);
    return written ? TOOL_DONE : TOOL_WRONG;
}
#else
int atlas_write(const desks *all, const atlas_wishes *asked)
{
    (void)all;
    fprintf(stderr, "--atlas %s: built without drawing (libpango1.0-dev)\n", asked->path);
    return TOOL_WRONG;
}
#endif
