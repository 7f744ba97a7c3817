/* The atlas of pictures: where each is, that nothing is drawn elsewhere, and that no two pictures
 * can be taken for each other, as small as they get. */
#include "support.h"
#ifdef NPLUG_HAS_DRAWING
#include <cairo.h>
#include <jansson.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define PATH BINARY_DIR "/atlas"

typedef struct drawn {
    json_t *root, *list;
    cairo_surface_t *image;
    const unsigned char *pixels;
    int width, height, stride;
} drawn;

/* Draws the pictures of a game of the tests. */
static void draw(drawn *out, const char *game, const char *options)
{
    char command[600], output[4096];

    snprintf(command, sizeof command,
             BINARY_DIR "/tool/nestplug prompts %s --atlas " PATH ".png %s", game, options);
    ck_assert_msg(run(command, output, sizeof output) == 0, "%s", output);
    out->root = json_load_file(PATH ".json", 0, NULL);
    out->list = json_object_get(out->root, "pictures");
    out->image = cairo_image_surface_create_from_png(PATH ".png");
    ck_assert_int_eq(cairo_surface_status(out->image), CAIRO_STATUS_SUCCESS);
    ck_assert_int_eq(cairo_image_surface_get_format(out->image), CAIRO_FORMAT_ARGB32);
    out->pixels = cairo_image_surface_get_data(out->image);
    out->width = cairo_image_surface_get_width(out->image);
    out->height = cairo_image_surface_get_height(out->image);
    out->stride = cairo_image_surface_get_stride(out->image);
    ck_assert_int_eq(out->width, json_integer_value(json_object_get(out->root, "width")));
    ck_assert_int_eq(out->height, json_integer_value(json_object_get(out->root, "height")));
}

static void drop(drawn *out)
{
    cairo_surface_destroy(out->image);
    json_decref(out->root);
}

/* Of a pixel, how much ink there is (0 to 255), and how light that is. */
static int ink_at(const drawn *out, int x, int y)
{
    uint32_t pixel;

    memcpy(&pixel, out->pixels + y * out->stride + 4 * x, 4);
    return (int)(pixel >> 24);
}

static int light_at(const drawn *out, int x, int y)
{
    uint32_t pixel;

    memcpy(&pixel, out->pixels + y * out->stride + 4 * x, 4);
    return (int)((pixel >> 8) & 255u);
}

static int number(const json_t *object, const char *name)
{
    ck_assert(json_is_integer(json_object_get(object, name)));
    return (int)json_integer_value(json_object_get(object, name));
}

static const char *text(const json_t *object, const char *name)
{
    const char *value = json_string_value(json_object_get(object, name));
    return value ? value : "";
}

/* --- where pictures are --------------------------------------------------------------------------
 */

/* Each rectangle lies in the image and has ink; outside of all of them there is none. */
static void check_ink(const drawn *out)
{
    unsigned char *covered = calloc((size_t)out->width, (size_t)out->height);
    int outside = 0;
    size_t i;
    json_t *one;

    json_array_foreach(out->list, i, one)
    {
        bool over = false;
        int x = number(one, "x"), y = number(one, "y"), ink = 0;
        int right = x + number(one, "width"), bottom = y + number(one, "height");
        ck_assert(x >= 0 && y >= 0 && right <= out->width && bottom <= out->height);
        for (int v = y; v < bottom; v++)
            for (int u = x; u < right; u++) {
                over |= covered[v * out->width + u];
                covered[v * out->width + u] = 1;
                ink += ink_at(out, u, v) > 128;
            }
        ck_assert_msg(ink > 8, "%s is empty", text(one, "name"));
        ck_assert_msg(!over, "%s lies over another picture", text(one, "name"));
    }
    for (int v = 0; v < out->height; v++)
        for (int u = 0; u < out->width; u++)
            outside += !covered[v * out->width + u] && ink_at(out, u, v);
    ck_assert_int_eq(outside, 0);
    free(covered);
}

static const char *const games[] = {"tool/demo/harbour.game", "tool/demo/chart.game",
                                    "tests/data/atlas/everything.game"};
static const int sizes[] = {8, 24, 48, 96, 130};

TESTS(each_picture_lies_in_its_rectangle, 15)
{
    char options[64];
    drawn out;

    snprintf(options, sizeof options, "--size %d %s", sizes[_i % 5],
             _i % 2 ? "--dark --language de" : "");
    draw(&out, games[_i / 5], options);
    check_ink(&out);
    drop(&out);
}

/* How much two pictures of one width differ, in pixels. */
static int difference(const drawn *out, const json_t *a, const json_t *b)
{
    int height = number(a, "height"), width = number(a, "width"), differs = 0;
    int ax = number(a, "x"), ay = number(a, "y"), bx = number(b, "x"), by = number(b, "y");

    for (int v = 0; v < height; v++)
        for (int u = 0; u < width; u++)
            differs += abs(ink_at(out, ax + u, ay + v) - ink_at(out, bx + u, by + v)) > 96;
    return differs;
}

/* At 24 pixels, any two of all pictures differ in ten pixels or more, or in their widths.  Keys are
 * told apart by what is printed on them, and are left out. */
TEST(no_two_pictures_can_be_mistaken)
{
    drawn out;
    size_t i, j;
    json_t *a, *b;

    draw(&out, games[2], "--size 24");
    ck_assert_uint_gt(json_array_size(out.list), 80);
    json_array_foreach(out.list, i, a)
    {
        json_array_foreach(out.list, j, b)
        {
            if (j <= i || number(a, "width") != number(b, "width")) continue;
            if (strcmp(text(a, "name"), "key") == 0 || strcmp(text(b, "name"), "key") == 0)
                continue;
            ck_assert_msg(difference(&out, a, b) >= 10, "%s and %s differ in %d pixels",
                          text(a, "name"), text(b, "name"), difference(&out, a, b));
        }
    }
    drop(&out);
}

/* The same shapes in another ink: dark on light, light on dark. */
TEST(dark_and_light_are_the_same_shapes)
{
    drawn light, dark;
    int differ = 0;

    draw(&light, games[0], "--size 32");
    draw(&dark, games[0], "--size 32 --dark");
    ck_assert_str_eq(text(light.root, "ink"), "dark");
    ck_assert_str_eq(text(dark.root, "ink"), "light");
    ck_assert(json_equal(light.list, dark.list));
    for (int y = 0; y < light.height; y++)
        for (int x = 0; x < light.width; x++) {
            differ += abs(ink_at(&light, x, y) - ink_at(&dark, x, y)) > 2;
            if (ink_at(&light, x, y) < 255) continue;
            differ += light_at(&light, x, y) > 60 || light_at(&dark, x, y) < 200;
        }
    ck_assert_int_eq(differ, 0);
    drop(&light);
    drop(&dark);
}

/* Every picture that the table of prompts shows is there under its name, a key with its label. */
TESTS(whatever_is_shown_is_drawn, 3)
{
    char command[400];
    static char output[400000];
    json_t *rows, *row, *part, *one;
    size_t r, p, i;
    drawn out;

    draw(&out, games[_i], "");
    snprintf(command, sizeof command, BINARY_DIR "/tool/nestplug prompts --json %s", games[_i]);
    ck_assert_int_eq(run(command, output, sizeof output), 0);
    rows = json_loads(output, 0, NULL);
    ck_assert_uint_gt(json_array_size(rows), 20);
    json_array_foreach(rows, r, row)
    {
        json_array_foreach(json_object_get(row, "parts"), p, part)
        {
            bool key = strcmp(text(part, "picture"), "key") == 0;
            int found = 0;
            json_array_foreach(out.list, i, one)
            {
                found += strcmp(text(one, "name"), text(part, "picture")) == 0 &&
                         (!key || strcmp(text(one, "label"), text(part, "label")) == 0);
            }
            ck_assert_msg(found == 1, "%s \"%s\" is there %d times", text(part, "picture"),
                          text(part, "label"), found);
        }
    }
    json_decref(rows);
    drop(&out);
}

/* The same rectangles in a drawing that can be made larger. */
TEST(an_svg_has_the_same_places)
{
    char output[4096], path[] = PATH "-drawing.svg";
    json_t *other;
    drawn out;

    draw(&out, games[0], "--size 40");
    ck_assert_int_eq(run(BINARY_DIR "/tool/nestplug prompts tool/demo/harbour.game --size 40 "
                                    "--atlas " PATH "-drawing.svg && head -c 60 " PATH
                                    "-drawing.svg",
                         output, sizeof output),
                     0);
    ck_assert_ptr_nonnull(strstr(output, "<?xml"));
    other = json_load_file(PATH "-drawing.json", 0, NULL);
    ck_assert_str_eq(text(other, "image"), strrchr(path, '/') + 1);
    ck_assert(json_equal(json_object_get(other, "pictures"), out.list));
    json_decref(other);
    drop(&out);
}
#endif
