/* Four players at the harbour master's chart table: each corner has a stick and a horn of its own,
 * and whoever sits at the first corner moves the chart in the middle by gestures.
 *
 *   chart_table               the touch surfaces of this machine
 *   chart_table TRACE         a simulated table, as a trace written by hand plays it */
#include "stage.h"
#include <stdio.h>
#include <string.h>

#define PLAYERS 4
#define WIDTH   72
#define HEIGHT  20

enum { STEER, HORN, CHART, BUOY, CLOSER, TURN, NEXT, PREVIOUS, ACTIONS };

/* Every corner's zones stand for the same two controls: whose they are is said by their part. */
static const nplug_action_def actions[ACTIONS] = {
    [STEER] = {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left dead=0.1", 0},
    [HORN] = {"horn", NPLUG_ACTION_BUTTON, "pad:south", 0},
    [CHART] = {"chart", NPLUG_ACTION_MOTION, "zone:chart", 0},
    [BUOY] = {"buoy", NPLUG_ACTION_BUTTON, "zone:chart-tap double-tap", 0},
    [CLOSER] = {"closer", NPLUG_ACTION_LEVEL, "zone:chart-pinch dead=0.1", 0},
    [TURN] = {"turn", NPLUG_ACTION_LEVEL, "zone:chart-turn dead=0.1", 0},
    [NEXT] = {"next", NPLUG_ACTION_BUTTON, "zone:chart-swipe.left", 0},
    [PREVIOUS] = {"previous", NPLUG_ACTION_BUTTON, "zone:chart-swipe.right", 0},
};

#define CORNER(place, number)                                                                      \
    {.name = "stick-" #number,                                                                     \
     .as = "pad:stick-left",                                                                       \
     .kind = NPLUG_ZONE_STICK,                                                                     \
     .corner = NPLUG_CORNER_##place,                                                               \
     .flags = NPLUG_ZONE_FLAG_LANDS | NPLUG_ZONE_FLAG_FOLLOWS,                                     \
     .part = number,                                                                               \
     .width = 0.18f,                                                                               \
     .height = 0.4f,                                                                               \
     .reach = 0.12f},                                                                              \
    {                                                                                              \
        .name = "horn-" #number, .as = "pad:south", .corner = NPLUG_CORNER_##place,                \
        .flags = NPLUG_ZONE_FLAG_ROUND, .part = number, .x = 0.19f, .width = 0.08f,                \
        .height = 0.16f                                                                            \
    }

static const nplug_zone_def zones[] = {CORNER(TOP_LEFT, 1),
                                       CORNER(TOP_RIGHT, 2),
                                       CORNER(BOTTOM_LEFT, 3),
                                       CORNER(BOTTOM_RIGHT, 4),
                                       {.name = "chart",
                                        .kind = NPLUG_ZONE_AREA,
                                        .corner = NPLUG_CORNER_MIDDLE,
                                        .part = 1,
                                        .priority = -1,
                                        .width = 0.44f,
                                        .height = 0.6f}};
#define ZONES ((uint32_t)(sizeof zones / sizeof *zones))

typedef struct table {
    nplug_nest *nest;
    nplug_vec2 tugs[PLAYERS + 1]; /* shares of the table */
    unsigned hoots[PLAYERS + 1], buoys;
    int page;
    nplug_vec2 chart; /* millimetres that it was moved by */
    uint32_t frames;
    char said[120];
} table;

/* --- what it looks like --------------------------------------------------------------------- */

typedef char picture[HEIGHT][WIDTH + 1];

static void put(picture p, nplug_vec2 at, char what)
{
    int x = (int)(at.x * (WIDTH - 1) + 0.5f), y = (int)(at.y * (HEIGHT - 1) + 0.5f);

    if (x >= 0 && x < WIDTH && y >= 0 && y < HEIGHT) p[y][x] = what;
}

static void draw_zone(picture p, const nplug_zone_facts *zone)
{
    char edge = zone->pressed ? '#' : '.';

    for (int i = 0; i <= WIDTH; i++) {
        float x = zone->least.x + (zone->most.x - zone->least.x) * (float)i / WIDTH;
        float y = zone->least.y + (zone->most.y - zone->least.y) * (float)i / WIDTH;
        put(p, (nplug_vec2){x, zone->least.y}, edge);
        put(p, (nplug_vec2){x, zone->most.y}, edge);
        put(p, (nplug_vec2){zone->least.x, y}, edge);
        put(p, (nplug_vec2){zone->most.x, y}, edge);
    }
    if (zone->kind == NPLUG_ZONE_STICK && zone->contacts) put(p, zone->middle, '+');
    if (zone->kind == NPLUG_ZONE_STICK && zone->contacts) put(p, zone->knob, 'O');
}

static void draw(const table *t, nplug_device surface)
{
    static picture p;
    NPLUG_SIZED(nplug_contact_facts, contact);

    for (int y = 0; y < HEIGHT; y++)
        memset(p[y], ' ', WIDTH);
    for (uint32_t z = 0; z < ZONES; z++) {
        NPLUG_SIZED(nplug_zone_facts, zone);
        if (nplug_zone_info(t->nest, surface, z, &zone) == NPLUG_OK && zone.shown)
            draw_zone(p, &zone);
    }
    for (nplug_player player = 1; player <= PLAYERS; player++)
        if (nplug_player_seated(t->nest, player)) put(p, t->tugs[player], (char)('A' + player - 1));
    for (uint32_t i = 0; nplug_contact_info(t->nest, i, &contact) == NPLUG_OK; i++)
        if (!contact.ended) put(p, contact.place, (char)('0' + contact.finger % 10));
    stage_clear();
    printf("+------------------------------------------------------------------------+\n");
    for (int y = 0; y < HEIGHT; y++)
        printf("|%s|\n", p[y]);
    printf("+------------------------------------------------------------------------+\n");
    printf("chart page %d, moved by %.0f, %.0f mm; %u buoys\n%s\n\n", t->page + 1,
           (double)t->chart.x, (double)t->chart.y, t->buoys, t->said);
    fflush(stdout);
}

/* --- what happens --------------------------------------------------------------------------- */

static void steer(table *t, nplug_player player)
{
    nplug_vec2 way = nplug_vector(t->nest, player, STEER);
    unsigned hoots = nplug_presses(t->nest, player, HORN);

    t->tugs[player].x += way.x * 0.01f;
    t->tugs[player].y -= way.y * 0.01f;
    t->hoots[player] += hoots;
    if (hoots) snprintf(t->said, sizeof t->said, "player %u hoots", player);
}

static void read_chart(table *t)
{
    nplug_vec2 moved = nplug_motion(t->nest, 1, CHART);
    int pages = (int)nplug_presses(t->nest, 1, NEXT) - (int)nplug_presses(t->nest, 1, PREVIOUS);
    float closer = nplug_level(t->nest, 1, CLOSER), turn = nplug_level(t->nest, 1, TURN);

    t->chart.x += moved.x;
    t->chart.y += moved.y;
    t->page += pages;
    t->buoys += nplug_presses(t->nest, 1, BUOY);
    if (nplug_presses(t->nest, 1, BUOY)) snprintf(t->said, sizeof t->said, "a buoy is laid");
    if (pages) snprintf(t->said, sizeof t->said, "the chart turns to page %d", t->page + 1);
    if (closer != 0.0f || turn != 0.0f)
        snprintf(t->said, sizeof t->said, "the chart is %.1f times as large, turned by %.1f",
                 1.0 + (double)closer, (double)turn);
}

static bool frame(void *user, nplug_nest *nest)
{
    table *t = (table *)user;

    for (uint32_t i = 0; i < nplug_event_count(nest); i++) {
        const nplug_event *event = nplug_event_at(nest, i);
        if (event->kind == NPLUG_EVENT_JOIN)
            snprintf(t->said, sizeof t->said, "player %u sits down", event->player);
    }
    for (nplug_player player = 1; player <= PLAYERS; player++)
        steer(t, player);
    read_chart(t);
    if (t->frames++ % 30 == 0 && nplug_device_count(nest)) draw(t, nplug_device_at(nest, 0));
    return true;
}

int main(int argc, char **argv)
{
    nplug_game game = nplug_game_for("chart table", actions, ACTIONS, PLAYERS);
    static table t;

    game.zones = zones;
    game.zone_count = ZONES;
    for (nplug_player player = 1; player <= PLAYERS; player++)
        t.tugs[player] = (nplug_vec2){0.4f + 0.05f * (float)player, 0.5f};
    t.nest = stage_open(&game, argc > 1 ? argv[1] : NULL);
    if (!t.nest) return 1;
    return stage_play(t.nest, argc > 1 ? argv[1] : NULL, frame, &t);
}
