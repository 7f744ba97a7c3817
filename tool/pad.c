#include "pad.h"
#include "pane.h"
#include <ncurses.h>
#include <stdio.h>
#include <string.h>

#define STICK_HEIGHT 9

bool pad_is(const nplug_nest *nest, nplug_device device)
{
    NPLUG_SIZED(nplug_device_facts, info);
    return nplug_device_info(nest, device, &info) == NPLUG_OK && info.kind == NPLUG_KIND_PAD;
}

/* A control as its person would call it. */
static void name_control(const nplug_nest *nest, nplug_device device, nplug_control control,
                         char *name, size_t size)
{
    NPLUG_SIZED(nplug_prompt, prompt);
    nplug_source source = {control, NPLUG_WAY_WHOLE};

    nplug_source_prompt(nest, device, source, &prompt);
    nplug_prompt_text(&prompt, false, name, size);
}

static bool is_axis(const nplug_control_facts *info, uint32_t components)
{
    unsigned count;
    return nplug_control_nature(info->control, &count) == NPLUG_NATURE_AXIS && count == components;
}

static void draw_stick(const nplug_nest *nest, nplug_device device, const nplug_control_facts *info,
                       const pane *on)
{
    char name[40];
    int width = on->width - 2, height = on->height - 2;
    bool moved = info->value.x != 0.0f || info->value.y != 0.0f;

    name_control(nest, device, info->control, name, sizeof name);
    pane_frame(on, name);
    mvaddch(on->y + 1 + height / 2, on->x + 1 + width / 2, '+');
    if (moved) attron(A_BOLD);
    mvaddch(on->y + height - pane_cell(info->value.y, -1.0f, 1.0f, height),
            on->x + 1 + pane_cell(info->value.x, -1.0f, 1.0f, width), 'O');
    attroff(A_BOLD);
}

/* Two sticks side by side; a pad may have one, or none. */
static int draw_sticks(const nplug_nest *nest, nplug_device device, int y, int x, int width)
{
    int each = (width / 2 - 1) | 1, drawn = 0; /* odd, so that there is a middle */
    NPLUG_SIZED(nplug_control_facts, info);

    for (uint32_t i = 0; drawn < 2 && nplug_control_info(nest, device, i, &info) == NPLUG_OK; i++) {
        pane on = {y, x + drawn * (each + 1), STICK_HEIGHT, each};
        if (!is_axis(&info, 2)) continue;
        draw_stick(nest, device, &info, &on);
        drawn++;
    }
    return drawn ? y + STICK_HEIGHT : y;
}

/* Triggers, and all else that is a level, as bars from the left. */
static int draw_levels(const nplug_nest *nest, nplug_device device, int y, int x, int width)
{
    NPLUG_SIZED(nplug_control_facts, info);
    char name[40];

    for (uint32_t i = 0; nplug_control_info(nest, device, i, &info) == NPLUG_OK; i++) {
        int bar = width - 17, full;
        if (!is_axis(&info, 1) || bar < 4) continue;
        full = pane_cell(info.value.x, 0.0f, 1.0f, bar + 1);
        name_control(nest, device, info.control, name, sizeof name);
        mvprintw(y, x, "%-16.16s", name);
        if (full) attron(A_BOLD);
        for (int at = 0; at < bar; at++)
            mvaddch(y, x + 17 + at, at < full ? '#' : '.');
        attroff(A_BOLD);
        y++;
    }
    return y;
}

/* The buttons that are down, as many as have room. */
static int draw_buttons(const nplug_nest *nest, nplug_device device, int y, int x, int width)
{
    NPLUG_SIZED(nplug_control_facts, info);
    char name[40];
    unsigned components;
    int at = x + 5;

    mvprintw(y, x, "down:");
    attron(A_BOLD);
    for (uint32_t i = 0; nplug_control_info(nest, device, i, &info) == NPLUG_OK; i++) {
        bool button = nplug_control_nature(info.control, &components) == NPLUG_NATURE_BUTTON;
        if (!button || !info.down) continue;
        name_control(nest, device, info.control, name, sizeof name);
        if (at + 1 + (int)strlen(name) >= x + width) break;
        mvprintw(y, at, " %s", name);
        getyx(stdscr, y, at);
    }
    attroff(A_BOLD);
    return y + 1;
}

int pad_draw(const nplug_nest *nest, nplug_device device, int y, int x, int width)
{
    y = draw_sticks(nest, device, y, x, width);
    y = draw_levels(nest, device, y, x, width);
    return draw_buttons(nest, device, y, x, width) + 1;
}
