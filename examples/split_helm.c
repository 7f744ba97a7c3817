/* Two tugs at one keyboard, each player with half of it, and more with pads.
 *
 *   split_helm          the hardware of this machine
 *   split_helm TRACE    simulated hardware, as a trace written by hand plays it */
#include "stage.h"
#include <stdio.h>
#include <string.h>

enum { STEER, HORN, END };

/* Every half has its own keys for the same actions: which player they are is the parts' affair. */
static const nplug_action_def actions[] = {
    {"steer", NPLUG_ACTION_VECTOR,
     "pad:stick-left dead=0.15 | keys:KeyW,KeyS,KeyA,KeyD | "
     "keys:ArrowUp,ArrowDown,ArrowLeft,ArrowRight",
     0},
    {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyE | key:Enter", 0},
    {"end", NPLUG_ACTION_BUTTON, "pad:select | key:KeyQ | key:Backspace", 0},
};
static const nplug_part_def halves[] = {
    {"left", "KeyW,KeyA,KeyS,KeyD,KeyE,KeyQ"},
    {"right", "ArrowUp,ArrowDown,ArrowLeft,ArrowRight,Enter,Backspace"},
};

#define SEATS  4
#define WIDTH  64
#define HEIGHT 16

typedef struct tug {
    float x, y;
    unsigned hoots;
} tug;

typedef struct harbour {
    tug tugs[SEATS + 1];
    unsigned frames;
    char wake[HEIGHT][WIDTH + 1];
} harbour;

/* --- what it looks like --------------------------------------------------------------------- */

/* Which half of a keyboard, or which device, a player has. */
static void describe(const nplug_nest *nest, nplug_player player, char *text, size_t size)
{
    NPLUG_SIZED(nplug_device_facts, info);

    snprintf(text, size, "nothing");
    for (uint32_t i = 0; i < nplug_device_count(nest); i++) {
        nplug_device device = nplug_device_at(nest, i);
        nplug_device_info(nest, device, &info);
        if (!((info.players >> (player - 1)) & 1u)) continue;
        snprintf(text, size, "%s", info.name);
        for (uint32_t part = 1; part <= 2; part++)
            if ((nplug_part_players(nest, device, part) >> (player - 1)) & 1u)
                snprintf(text, size, "%s, %s half", info.name, halves[part - 1].name);
    }
}

static void draw(const harbour *h, const nplug_nest *nest)
{
    char text[80];

    stage_clear();
    printf("+%.*s+\n", WIDTH,
           "------------------------------------------------------------------------");
    for (int y = 0; y < HEIGHT; y++)
        printf("|%s|\n", h->wake[y]);
    printf("+%.*s+\n", WIDTH,
           "------------------------------------------------------------------------");
    for (nplug_player player = 1; player <= SEATS; player++) {
        if (!nplug_player_seated(nest, player)) continue;
        describe(nest, player, text, sizeof text);
        printf(" tug %u: %-34s hoots: %u\n", player, text, h->tugs[player].hoots);
    }
    printf("\n");
    fflush(stdout);
}

/* --- the game ------------------------------------------------------------------------------- */

/* The harbour as it was, with a dot where a tug came along. */
static void sail(harbour *h, nplug_player player, nplug_vec2 steer)
{
    tug *it = &h->tugs[player];
    char *was = &h->wake[(int)it->y][(int)it->x];

    if (*was == (char)('0' + player)) *was = '.';
    it->x += steer.x * 0.5f;
    it->y -= steer.y * 0.2f;
    if (it->x < 0.0f) it->x = 0.0f;
    if (it->x > WIDTH - 1) it->x = WIDTH - 1;
    if (it->y < 0.0f) it->y = 0.0f;
    if (it->y > HEIGHT - 1) it->y = HEIGHT - 1;
    h->wake[(int)it->y][(int)it->x] = (char)('0' + player);
}

static bool frame(void *user, nplug_nest *nest)
{
    harbour *h = (harbour *)user;

    for (nplug_player player = 1; player <= SEATS; player++) {
        if (!nplug_player_seated(nest, player)) continue;
        sail(h, player, nplug_vector(nest, player, STEER));
        h->tugs[player].hoots += nplug_presses(nest, player, HORN);
        if (nplug_presses(nest, player, END)) return false;
    }
    if (h->frames++ % 60 == 0) draw(h, nest);
    return true;
}

int main(int argc, char **argv)
{
    nplug_game game =
        nplug_game_for("split-helm", actions, sizeof actions / sizeof *actions, SEATS);
    static harbour h;
    nplug_nest *nest;

    game.parts = halves;
    game.part_count = sizeof halves / sizeof *halves;
    nest = stage_open(&game, argc > 1 ? argv[1] : NULL);
    if (!nest) return 1;
    memset(h.wake, ' ', sizeof h.wake);
    for (int y = 0; y < HEIGHT; y++)
        h.wake[y][WIDTH] = 0;
    for (int i = 1; i <= SEATS; i++)
        h.tugs[i] = (tug){4.0f, 3.0f * (float)i, 0};
    return stage_play(nest, argc > 1 ? argv[1] : NULL, frame, &h);
}
