/* A lobby with four seats: join, leave, change seats, and wait for what went.
 *
 *   lobby               the hardware of this machine
 *   lobby TRACE         simulated hardware, as a trace written by hand plays it */
#include "stage.h"
#include <stdio.h>
#include <string.h>

enum { READY, MOVE, LEAVE };

static const nplug_action_def actions[] = {
    {"ready", NPLUG_ACTION_BUTTON, "pad:confirm | key:Enter", 0},
    {"move", NPLUG_ACTION_BUTTON, "pad:north | key:Tab", 0},
    {"leave", NPLUG_ACTION_BUTTON, "pad:cancel hold=800 | key:Escape hold=800", 0},
};

#define SEATS 4

typedef struct lobby {
    nplug_nest *nest;
    bool ready[SEATS + 1], changed;
    char said[160];
} lobby;

/* --- what it looks like --------------------------------------------------------------------- */

/* What this player presses for what, with what they use. */
static void draw_help(const lobby *l, nplug_player player)
{
    static const char *const lines[] = {"{ready}: ready", "{move}: next seat", "{leave}: leave"};
    char text[80];

    for (size_t i = 0; i < sizeof lines / sizeof *lines; i++)
        if (nplug_sentence_text(l->nest, player, lines[i], false, NULL, text, sizeof text))
            printf("   %s", text);
}

static void draw_seat(const lobby *l, nplug_player player)
{
    NPLUG_SIZED(nplug_device_facts, info);
    NPLUG_SIZED(nplug_active_set, active);

    nplug_active_info(l->nest, player, &active);
    printf("  %u  ", player);
    if (!nplug_player_seated(l->nest, player)) {
        printf("free: press any button\n");
    } else if (nplug_player_waits(l->nest, player)) {
        nplug_device_info(l->nest, nplug_missed_at(l->nest, player, 0), &info);
        printf("waits for %s: plug it in, or press a button of another one\n", info.name);
    } else {
        nplug_device_info(l->nest, active.device, &info);
        printf("%-20s %-6s", info.name, l->ready[player] ? "READY" : "...");
        draw_help(l, player);
        printf("%s\n",
               info.battery_percent >= 0 && info.battery_percent <= 15 ? "   battery low" : "");
    }
}

static void draw(lobby *l)
{
    stage_clear();
    printf("The harbour office: who takes which tug?\n\n");
    for (nplug_player player = 1; player <= SEATS; player++)
        draw_seat(l, player);
    printf("\n%s\n\n", l->said);
    fflush(stdout);
    l->changed = false;
}

/* --- what happens --------------------------------------------------------------------------- */

static void say(lobby *l, const nplug_event *event, const char *what)
{
    snprintf(l->said, sizeof l->said, "%6.2f s  player %u %s", (double)event->time / 1e6,
             event->player, what);
    l->changed = true;
}

/* The next seat, whoever has it: they change places.  Who was ready is asked again. */
static void move(lobby *l, nplug_player player)
{
    nplug_swap(l->nest, player, player % SEATS + 1);
    l->ready[player] = l->ready[player % SEATS + 1] = false;
}

static void hear_press(lobby *l, const nplug_event *event)
{
    if (event->player == NPLUG_NOBODY) return;
    if (event->action == READY) {
        l->ready[event->player] = !l->ready[event->player];
        say(l, event, l->ready[event->player] ? "is ready" : "is not ready yet");
    } else if (event->action == MOVE) {
        move(l, event->player);
    }
}

static void hear(lobby *l, const nplug_event *event)
{
    if (event->kind == NPLUG_EVENT_PRESS) hear_press(l, event);
    if (event->kind == NPLUG_EVENT_JOIN) say(l, event, "takes a seat");
    if (event->kind == NPLUG_EVENT_LEAVE) l->ready[event->player] = false;
    if (event->kind == NPLUG_EVENT_LEAVE)
        say(l, event,
            event->flags & NPLUG_EVENT_FLAG_LATE ? "was waited for long enough" : "gets up");
    if (event->kind == NPLUG_EVENT_WAIT) say(l, event, "has lost a device");
    if (event->kind == NPLUG_EVENT_SWAP) say(l, event, "has moved to the next seat");
    if (event->kind == NPLUG_EVENT_CLAIM && event->flags & NPLUG_EVENT_FLAG_RETURNED)
        say(l, event, "has it back");
    if (event->kind == NPLUG_EVENT_CLAIM && event->flags & NPLUG_EVENT_FLAG_TAKEN_OVER)
        say(l, event, "goes on with another one");
    if (event->kind == NPLUG_EVENT_BATTERY && event->flags & NPLUG_EVENT_FLAG_LOW)
        l->changed = true;
}

static bool frame(void *user, nplug_nest *nest)
{
    lobby *l = (lobby *)user;
    bool ready = false;

    for (uint32_t i = 0; i < nplug_event_count(nest); i++)
        hear(l, nplug_event_at(nest, i));
    if (l->changed) draw(l);
    for (nplug_player player = 1; player <= SEATS; player++) {
        if (nplug_player_seated(nest, player) &&
            (!l->ready[player] || nplug_player_waits(nest, player)))
            return true;
        ready |= nplug_player_seated(nest, player);
    }
    if (ready) printf("All are ready: the tugs cast off.\n");
    return !ready;
}

int main(int argc, char **argv)
{
    nplug_game game = nplug_game_for("lobby", actions, sizeof actions / sizeof *actions, SEATS);
    static lobby l;

    game.leave = "leave";
    game.seat_wait_ms = 20000;
    game.wobble_ms = 500;
    l.nest = stage_open(&game, argc > 1 ? argv[1] : NULL);
    if (!l.nest) return 1;
    l.changed = true;
    return stage_play(l.nest, argc > 1 ? argv[1] : NULL, frame, &l);
}
