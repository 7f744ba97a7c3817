#include "hands.h"
#include "pane.h"
#include <ncurses.h>
#include <stdio.h>

#define REACH 0.8f /* metres to each side that a view shows */
#define TALL  2.0f /* and from the floor up */

/* A view: which of a pose's numbers goes to the right and which one up, and where its ends are. */
typedef struct sight {
    const char *name;
    unsigned across, up;
    float least[2], most[2];
    pane on;
} sight;

/* What stands for a device, and which control says where it is. */
typedef struct figure {
    uint32_t kind;
    const char *control;
    char letter;
} figure;
static const figure figures[] = {{NPLUG_KIND_HAND_LEFT, "hand-left:pose-grip", 'L'},
                                 {NPLUG_KIND_HAND_RIGHT, "hand-right:pose-grip", 'R'},
                                 {NPLUG_KIND_HEADSET, "headset:pose-view", 'H'}};
#define FIGURES (sizeof figures / sizeof *figures)

static const figure *figure_of(const nplug_nest *nest, nplug_device device)
{
    NPLUG_SIZED(nplug_device_facts, info);

    if (nplug_device_info(nest, device, &info) != NPLUG_OK) return NULL;
    for (size_t i = 0; i < FIGURES; i++)
        if (figures[i].kind == info.kind) return &figures[i];
    return NULL;
}

bool hands_are(const nplug_nest *nest, nplug_device device)
{
    return figure_of(nest, device) != NULL;
}

static bool find(const nplug_nest *nest, nplug_device device, const figure *figure,
                 nplug_pose_facts *at)
{
    at->size = (uint32_t)sizeof *at;
    return nplug_pose_info(nest, device, nplug_control_named(figure->control), at) == NPLUG_OK;
}

/* How well a place is known, in one word. */
static const char *how(const nplug_pose_facts *at)
{
    if (!at->awake) return "asleep";
    if (!at->position_valid) return "lost";
    return at->position_tracked ? "tracked" : "a guess";
}

/* --- the two views ---------------------------------------------------------------------------- */

/* What is lost or asleep is drawn small, where it was last. */
static void draw_figure(const sight *from, const figure *figure, const nplug_pose_facts *at)
{
    const pane *on = &from->on;
    bool known = at->awake && at->position_valid;
    int x =
        pane_cell(at->pose.position[from->across], from->least[0], from->most[0], on->width - 2);
    int y = pane_cell(at->pose.position[from->up], from->least[1], from->most[1], on->height - 2);

    if (known) attron(A_BOLD);
    mvaddch(on->y + on->height - 2 - y, on->x + 1 + x,
            (chtype)(known ? figure->letter : figure->letter + ('a' - 'A')));
    if (known) attroff(A_BOLD);
}

static void draw_sight(const nplug_nest *nest, const sight *from)
{
    pane_frame(&from->on, from->name);
    for (uint32_t i = 0; i < nplug_device_count(nest); i++) {
        nplug_device device = nplug_device_at(nest, i);
        const figure *figure = figure_of(nest, device);
        nplug_pose_facts at;
        if (figure && find(nest, device, figure, &at)) draw_figure(from, figure, &at);
    }
}

/* --- what is known ---------------------------------------------------------------------------- */

static int draw_line(const nplug_nest *nest, nplug_device device, int y, int x)
{
    const figure *figure = figure_of(nest, device);
    nplug_pose_facts at;

    if (!figure || !find(nest, device, figure, &at)) return y;
    mvprintw(y, x, "%c %6.2f %6.2f %6.2f m  %s", figure->letter, (double)at.pose.position[0],
             (double)at.pose.position[1], (double)at.pose.position[2], how(&at));
    return y + 1;
}

void hands_draw(const nplug_nest *nest, int y, int x, int height, int width)
{
    int each = (height - (int)FIGURES - 1) / 2;
    sight front = {"from the front: x, y", 0, 1, {-REACH, 0.0f}, {REACH, TALL},
                   {y, x, each, width}};
    sight above = {"from above: x, -z",       0, 2, {-REACH, REACH}, {REACH, -REACH},
                   {y + each, x, each, width}};

    if (each < 5 || width < 30) return;
    draw_sight(nest, &front);
    draw_sight(nest, &above);
    y += 2 * each;
    for (uint32_t i = 0; i < nplug_device_count(nest); i++)
        y = draw_line(nest, nplug_device_at(nest, i), y, x);
}
