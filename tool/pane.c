#include "pane.h"
#include <ncurses.h>

void pane_frame(const pane *on, const char *name)
{
    for (int x = 0; x < on->width; x++) {
        mvaddch(on->y, on->x + x, x % (on->width - 1) ? '-' : '+');
        mvaddch(on->y + on->height - 1, on->x + x, x % (on->width - 1) ? '-' : '+');
    }
    for (int y = 1; y < on->height - 1; y++) {
        mvaddch(on->y + y, on->x, '|');
        mvaddch(on->y + y, on->x + on->width - 1, '|');
    }
    if (name) mvprintw(on->y, on->x + 1, " %.*s ", on->width - 4, name);
}

int pane_cell(float value, float least, float most, int cells)
{
    float share = (value - least) / (most - least);

    share = share < 0.0f ? 0.0f : share > 1.0f ? 1.0f : share;
    return (int)(share * (float)(cells - 1) + 0.5f);
}
