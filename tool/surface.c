#include "surface.h"
#include "pane.h"
#include <ncurses.h>
#include <stdio.h>
#include <string.h>

/* Where a place on the surface is in the box. */
static int column(const pane *on, float share)
{
    return on->x + 1 + pane_cell(share, 0.0f, 1.0f, on->width - 2);
}

static int line(const pane *on, float share)
{
    return on->y + 1 + pane_cell(share, 0.0f, 1.0f, on->height - 2);
}

static void draw_zone(const pane *on, const nplug_zone_facts *zone)
{
    int left = column(on, zone->least.x), right = column(on, zone->most.x);
    int top = line(on, zone->least.y), bottom = line(on, zone->most.y);
    chtype edge = zone->pressed ? '#' : '.';
    bool sticks = zone->kind == NPLUG_ZONE_STICK || zone->kind == NPLUG_ZONE_DPAD;

    if (zone->pressed) attron(A_BOLD);
    for (int x = left; x <= right; x++) {
        mvaddch(top, x, edge);
        mvaddch(bottom, x, edge);
    }
    for (int y = top; y <= bottom; y++) {
        mvaddch(y, left, edge);
        mvaddch(y, right, edge);
    }
    if (right - left > 3 && bottom > top + 1)
        mvprintw(top + 1, left + 1, "%.*s", right - left - 1, zone->name);
    if (sticks && zone->contacts)
        mvaddch(line(on, zone->middle.y), column(on, zone->middle.x), '+');
    if (zone->kind == NPLUG_ZONE_SLIDER || (sticks && zone->contacts))
        mvaddch(line(on, zone->knob.y), column(on, zone->knob.x), 'O');
    attroff(A_BOLD);
}

static void list_contact(const nplug_nest *nest, nplug_device device,
                         const nplug_contact_facts *contact, int y, int x)
{
    NPLUG_SIZED(nplug_zone_facts, zone);
    const char *name = "the game's";

    if (nplug_zone_info(nest, device, contact->zone, &zone) == NPLUG_OK) name = zone.name;
    mvprintw(y, x, "%6u %6u  %-12.12s %5.3f %5.3f %6.1f %6.1f %6.2f s%s", contact->id,
             contact->finger, name, (double)contact->place.x, (double)contact->place.y,
             (double)contact->way_mm.x, (double)contact->way_mm.y, (double)contact->age_us / 1e6,
             contact->ended ? "  lifted" : "");
}

/* As wide as the usual surface would be, where a cell is twice as high as wide; and room beside it.
 */
static int width_for(int height, int x)
{
    int width = 37 * height / 10, most = COLS - x - 68;

    return width < most ? width : most > 20 ? most : 20;
}

void surface_draw(const nplug_nest *nest, nplug_device device, int y, int x, int height)
{
    pane on = {y, x, height, width_for(height, x)};
    NPLUG_SIZED(nplug_contact_facts, contact);
    int row = y + 1, beside = x + on.width + 2;

    if (height < 6) return;
    pane_frame(&on, NULL);
    for (uint32_t i = 0; i < nplug_zone_count(nest); i++) {
        NPLUG_SIZED(nplug_zone_facts, zone);
        if (nplug_zone_info(nest, device, i, &zone) == NPLUG_OK && zone.shown)
            draw_zone(&on, &zone);
    }
    attron(A_BOLD);
    mvprintw(y, beside, "    ID FINGER  ZONE             x     y  way/mm           AGE");
    for (uint32_t i = 0; nplug_contact_info(nest, i, &contact) == NPLUG_OK; i++) {
        if (contact.device != device) continue;
        if (!contact.ended)
            mvaddch(line(&on, contact.place.y), column(&on, contact.place.x),
                    (chtype)('0' + contact.finger % 10));
        attroff(A_BOLD);
        if (row < y + height) list_contact(nest, device, &contact, row++, beside);
        attron(A_BOLD);
    }
    attroff(A_BOLD);
}
