#include "hands.h"
#include "pad.h"
#include "surface.h"
#include "view.h"
#include "describe.h"
#include <locale.h>
#include <ncurses.h>
#include <stdio.h>
#include <string.h>
#include <time.h>

#define LOG_LINES 8
#define FRAME     33333    /* microseconds between two pictures */
#define SLEEPY    60000000 /* microseconds of silence after which a pad may be asleep */

typedef struct view {
    hardware *hw;
    char log[LOG_LINES][256]; /* the latest last */
    int log_count;
    uint32_t chosen; /* place of the device whose controls are shown */
} view;

/* The column from which a picture of the device is drawn, beside its controls, and prompts. */
#define BESIDE 107

/* --- the log -------------------------------------------------------------------------------- */

static const char *story_of(const nplug_event *event)
{
    if (event->kind == NPLUG_EVENT_ARRIVAL) return "arrived";
    if (event->kind == NPLUG_EVENT_DEPARTURE) return "departed";
    if (event->kind == NPLUG_EVENT_CHANGE) return "changed";
    if (event->kind == NPLUG_EVENT_JOIN) return "seats a player";
    if (event->kind == NPLUG_EVENT_FULL) return "finds no seat free";
    if (event->kind == NPLUG_EVENT_DUPLICATE)
        return "moves together with another device: ignore one";
    if (event->kind == NPLUG_EVENT_RESYNCED) return "is in step again after reports were lost";
    if (event->kind == NPLUG_EVENT_WAIT) return "is waited for";
    if (event->kind == NPLUG_EVENT_ASLEEP) return "fell asleep, and let go of all";
    if (event->kind == NPLUG_EVENT_AWAKE) return "woke up";
    if (event->kind == NPLUG_EVENT_WOBBLE) return "was gone for a moment";
    if (event->kind == NPLUG_EVENT_ACTIVE) return "is used now";
    if (event->kind == NPLUG_EVENT_BATTERY && (event->flags & NPLUG_EVENT_FLAG_LOW))
        return "has a battery that will not last long";
    if (event->kind == NPLUG_EVENT_CLAIM && (event->flags & NPLUG_EVENT_FLAG_RETURNED))
        return "came back to its player";
    if (event->kind == NPLUG_EVENT_CLAIM && (event->flags & NPLUG_EVENT_FLAG_TAKEN_OVER))
        return "stands in for the one that went";
    return NULL;
}

static void note(view *v, const nplug_event *event)
{
    const char *story = story_of(event);
    char name[80], player[24] = "";

    if (!story) return;
    if (v->log_count == LOG_LINES)
        memmove(v->log[0], v->log[1], (LOG_LINES - 1) * sizeof v->log[0]);
    else
        v->log_count++;
    hardware_name(v->hw->nest, event->device, name, sizeof name);
    if (event->player) snprintf(player, sizeof player, " (player %u)", event->player);
    snprintf(v->log[v->log_count - 1], sizeof v->log[0], "%10.3f  %s %s%s",
             (double)event->time / 1e6, name, story, player);
}

static void note_events(view *v)
{
    for (uint32_t i = 0; i < nplug_event_count(v->hw->nest); i++)
        note(v, nplug_event_at(v->hw->nest, i));
}

/* --- devices -------------------------------------------------------------------------------- */

/* A pad without a cable goes to sleep and says nothing of it: only its silence can tell. */
static const char *state_of(const nplug_device_facts *info, nplug_time now)
{
    if (info->unreadable) return "unreadable: no permission";
    if (info->matched == NPLUG_MATCHED_NONE) return "unrecognised";
    if (info->asleep) return describe_sleep(info);
    if (info->resyncing) return "catching up";
    if (info->battery_percent >= 0 && info->battery_percent <= 15 && !info->charging)
        return "battery low";
    if (info->kind == NPLUG_KIND_PAD && now > info->last + SLEEPY) return "silent: asleep?";
    return "present";
}

static int draw_devices(const view *v, int y)
{
    NPLUG_SIZED(nplug_device_facts, info);
    char players[40];

    attron(A_BOLD);
    mvprintw(y++, 0, "  %-6s %-28s %-10s %-14s %-26s %s", "ID", "DEVICE", "KIND", "SHEET", "STATE",
             "PLAYERS");
    attroff(A_BOLD);
    for (uint32_t i = 0; i < nplug_device_count(v->hw->nest) && y < LINES / 2; i++, y++) {
        nplug_device_info(v->hw->nest, nplug_device_at(v->hw->nest, i), &info);
        describe_players(info.players, players, sizeof players);
        if (i == v->chosen) attron(A_REVERSE);
        mvprintw(y, 0, "%c %-6x %-28.28s %-10s %-14.14s %-26s %-8s", i == v->chosen ? '>' : ' ',
                 info.device, info.name, nplug_kind_name(info.kind), *info.sheet ? info.sheet : "-",
                 state_of(&info, nplug_nest_time(v->hw->nest)), players);
        attroff(A_REVERSE);
    }
    if (nplug_device_count(v->hw->nest) == 0) mvprintw(y++, 2, "Nothing is here yet.");
    return y + 1;
}

/* --- players -------------------------------------------------------------------------------- */

/* The devices of a player that are here, parted by commas. */
static void name_devices(const nplug_nest *nest, nplug_player player, char *buffer, size_t size)
{
    char name[80];
    size_t length = 0;

    buffer[0] = 0;
    for (uint32_t i = 0; i < nplug_device_count(nest) && length < size; i++) {
        nplug_device device = nplug_device_at(nest, i);
        if (!((nplug_part_players(nest, device, 0) >> (player - 1)) & 1u)) continue;
        hardware_name(nest, device, name, sizeof name);
        length +=
            (size_t)snprintf(buffer + length, size - length, "%s%s", length ? ", " : "", name);
    }
}

static int draw_player(const view *v, nplug_player player, int y)
{
    const nplug_nest *nest = v->hw->nest;
    nplug_device missed = nplug_missed_at(nest, player, 0);
    char devices[160], name[80] = "-";

    NPLUG_SIZED(nplug_active_set, active);
    nplug_active_info(nest, player, &active);

    if (!nplug_player_seated(nest, player)) return y;
    name_devices(nest, player, devices, sizeof devices);
    if (active.device) hardware_name(nest, active.device, name, sizeof name);
    mvprintw(y, 2, "%-6u %-28.28s %-14s %s", player, name, *active.family ? active.family : "-",
             devices);
    if (!missed) return y + 1;
    hardware_name(nest, missed, name, sizeof name);
    attron(A_BOLD);
    printw("%swaits for %s", *devices ? "; " : "", name);
    attroff(A_BOLD);
    return y + 1;
}

static int draw_players(const view *v, int y)
{
    nplug_limits limits = nplug_limits_default();

    attron(A_BOLD);
    mvprintw(y++, 0, "  %-6s %-28s %-14s %s", "PLAYER", "USED LAST", "PROMPTS", "DEVICES");
    attroff(A_BOLD);
    nplug_nest_limits(v->hw->nest, &limits);
    for (nplug_player player = 1; player <= limits.players; player++)
        y = draw_player(v, player, y);
    return y + 1;
}

/* --- controls ------------------------------------------------------------------------------- */

/* A bar of 21 places with its middle at 0. */
static void draw_bar(int y, int x, float value)
{
    int at = (int)((value < -1.0f ? -1.0f : value > 1.0f ? 1.0f : value) * 10.0f);

    for (int i = -10; i <= 10; i++)
        mvaddch(y, x + 10 + i, i == 0 ? '|' : (i > 0 && i <= at) || (i < 0 && i >= at) ? '#' : '.');
}

static int raw_of(const view *v, nplug_device device, uint32_t signal)
{
    NPLUG_SIZED(nplug_signal_facts, info);
    return nplug_signal_info(v->hw->nest, device, signal, &info) == NPLUG_OK ? (int)info.raw : 0;
}

static void draw_control(const view *v, nplug_device device, const nplug_control_facts *info, int y,
                         int x)
{
    char name[48], value[32], raw[32] = "";

    nplug_control_name(info->control, name, sizeof name);
    describe_value(info->value, info->components, value, sizeof value);
    if (info->signal[1] != NPLUG_NO_SIGNAL)
        snprintf(raw, sizeof raw, "%d %d", raw_of(v, device, info->signal[0]),
                 raw_of(v, device, info->signal[1]));
    else if (info->signal[0] != NPLUG_NO_SIGNAL)
        snprintf(raw, sizeof raw, "%d", raw_of(v, device, info->signal[0]));
    if (info->value.x != 0.0f || info->value.y != 0.0f) attron(A_BOLD);
    mvprintw(y, x, "%-22.22s %13s %15s ", name, raw, value);
    draw_bar(y, x + 53, info->value.x);
    if (info->components == 2) draw_bar(y, x + 76, info->value.y);
    attroff(A_BOLD);
    if (info->spent) mvprintw(y, x + 99, "spent");
}

/* What moves first: a keyboard has more controls than a screen has lines. */
static bool is_shown(const nplug_control_facts *info, uint32_t controls, int room)
{
    return controls <= (uint32_t)room || info->down || info->value.x != 0.0f ||
           info->value.y != 0.0f;
}

static void draw_controls(const view *v, int y)
{
    nplug_device device = nplug_device_at(v->hw->nest, v->chosen);
    NPLUG_SIZED(nplug_device_facts, about);
    NPLUG_SIZED(nplug_control_facts, info);
    int end = LINES - LOG_LINES - 3, room = end - y - 1;

    if (nplug_device_info(v->hw->nest, device, &about) != NPLUG_OK) return;
    attron(A_BOLD);
    mvprintw(y++, 0, "  %-22s %13s %15s %11s %22s", "CONTROL", "RAW", "NORMALISED", "x", "y");
    attroff(A_BOLD);
    for (uint32_t i = 0; y < end && nplug_control_info(v->hw->nest, device, i, &info) == NPLUG_OK;
         i++)
        if (is_shown(&info, about.controls, room)) draw_control(v, device, &info, y++, 2);
    if (about.controls > (uint32_t)room && y < end)
        mvprintw(y, 2, "(of %u controls, those that are moved are shown)", about.controls);
}

/* What no sheet fits has no controls: its signals are shown as they are. */
static void draw_signals(const view *v, int y)
{
    nplug_device device = nplug_device_at(v->hw->nest, v->chosen);
    NPLUG_SIZED(nplug_signal_facts, info);

    attron(A_BOLD);
    mvprintw(y++, 0, "  %-10s %-10s %12s   (not recognised: raw signals)", "SIGNAL", "NATURE",
             "RAW");
    attroff(A_BOLD);
    for (uint32_t i = 0;
         y < LINES - LOG_LINES - 3 && nplug_signal_info(v->hw->nest, device, i, &info) == NPLUG_OK;
         i++)
        if (info.heard)
            mvprintw(y++, 0, "  %-10u %-10s %12d", i, nplug_nature_name(info.nature),
                     (int)info.raw);
}

/* --- beside the controls -------------------------------------------------------------------- */

/* Of the players of a device the first; who has none sees what joins. */
static nplug_player player_of(const nplug_nest *nest, nplug_device device)
{
    uint32_t players = nplug_part_players(nest, device, 0);
    nplug_player player = 1;

    if (players == 0) return NPLUG_NOBODY;
    while (!((players >> (player - 1)) & 1u))
        player++;
    return player;
}

/* For every action that can be done now: what to press for it. */
static void draw_prompts(const nplug_nest *nest, nplug_device device, int y, int end)
{
    nplug_player player = player_of(nest, device);
    NPLUG_SIZED(nplug_prompt, prompt);
    char text[80];

    if (y + 1 >= end || player == NPLUG_NOBODY) return;
    attron(A_BOLD);
    mvprintw(y++, BESIDE, "PLAYER %u PRESSES", player);
    attroff(A_BOLD);
    for (uint32_t action = 0; action < nplug_action_count(nest) && y < end; action++) {
        nplug_prompt_info(nest, player, action, &prompt);
        if (nplug_prompt_text(&prompt, false, text, sizeof text) == 0) continue;
        mvprintw(y++, BESIDE, "%-12.12s %.*s", nplug_action_name(nest, action), COLS - BESIDE - 14,
                 text);
    }
}

static void draw_beside(const nplug_nest *nest, nplug_device device, int y)
{
    int end = LINES - LOG_LINES - 3, width = COLS - BESIDE - 1;

    if (width < 30) return;
    if (hands_are(nest, device)) {
        hands_draw(nest, y, BESIDE, end - y, width);
        return;
    }
    if (pad_is(nest, device)) y = pad_draw(nest, device, y, BESIDE, width);
    draw_prompts(nest, device, y, end);
}

static bool is_surface(const nplug_nest *nest, nplug_device device)
{
    NPLUG_SIZED(nplug_surface, surface);
    return nplug_surface_info(nest, device, &surface) == NPLUG_OK;
}

static void draw(const view *v)
{
    NPLUG_SIZED(nplug_control_facts, any);
    nplug_device device = nplug_device_at(v->hw->nest, v->chosen);
    int y;

    erase();
    attron(A_BOLD);
    mvprintw(0, 0, "nestplug watch");
    attroff(A_BOLD);
    mvprintw(0, 18, "%.3f s    up/down: choose a device    q: end",
             (double)nplug_nest_time(v->hw->nest) / 1e6);
    y = draw_players(v, draw_devices(v, 2));
    if (is_surface(v->hw->nest, device))
        surface_draw(v->hw->nest, device, y, 2, LINES - LOG_LINES - 3 - y);
    else if (device && nplug_control_info(v->hw->nest, device, 0, &any) != NPLUG_OK)
        draw_signals(v, y);
    else if (device)
        draw_controls(v, y);
    if (device && !is_surface(v->hw->nest, device)) draw_beside(v->hw->nest, device, y);
    attron(A_BOLD);
    mvprintw(LINES - LOG_LINES - 2, 0, "  WHO CAME AND WENT");
    attroff(A_BOLD);
    for (int i = 0; i < v->log_count; i++)
        mvprintw(LINES - LOG_LINES - 1 + i, 0, "%s", v->log[i]);
    refresh();
}

/* --- running -------------------------------------------------------------------------------- */

/* false where the person ends it. */
static bool obey(view *v, int key)
{
    uint32_t count = nplug_device_count(v->hw->nest);

    if (key == 'q' || key == 27) return false;
    if (key == KEY_DOWN && v->chosen + 1 < count) v->chosen++;
    if (key == KEY_UP && v->chosen > 0) v->chosen--;
    if (v->chosen >= count && count) v->chosen = count - 1;
    return true;
}

static void rest_until(nplug_time time)
{
    nplug_time now = nplug_now();
    struct timespec span;

    if (now >= time) return;
    span.tv_sec = (time_t)((time - now) / 1000000);
    span.tv_nsec = (long)((time - now) % 1000000) * 1000;
    nanosleep(&span, NULL);
}

void view_run(hardware *hw)
{
    view v = {.hw = hw};
    nplug_time begun = nplug_now(), drawn = 0;
    bool goes_on = true;

    setlocale(LC_ALL, "");
    initscr();
    cbreak();
    noecho();
    curs_set(0);
    keypad(stdscr, TRUE);
    nodelay(stdscr, TRUE);
    while (goes_on && hardware_next(hw)) {
        note_events(&v);
        goes_on = obey(&v, getch());
        if (!hw->real && !hw->headset) rest_until(begun + nplug_nest_time(hw->nest));
        if (nplug_now() - drawn < FRAME) continue;
        drawn = nplug_now();
        draw(&v);
    }
    endwin();
}
