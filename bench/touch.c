/* What a touch costs: ratio touch_report_vs_read VALUE, one report of ten contacts that all move at
 * 240 Hz (two in sticks, two on buttons, three in an area, three in no zone; each lifted twice a
 * second), through step, against fetching one report of 24 bytes from a pipe by read(). */
#include "load.h"
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <unistd.h>

#define FINGERS 10
#define RATE    240
#define GROUPS  (RATE * SECONDS)
#define MOST    (GROUPS * FINGERS * 3)

static const nplug_zone_def zones[] = {{.name = "helm",
                                        .kind = NPLUG_ZONE_STICK,
                                        .as = "pad:stick-left",
                                        .width = 0.2f,
                                        .height = 0.5f},
                                       {.name = "aim",
                                        .kind = NPLUG_ZONE_STICK,
                                        .corner = NPLUG_CORNER_TOP_RIGHT,
                                        .width = 0.2f,
                                        .height = 0.5f,
                                        .flags = NPLUG_ZONE_FLAG_LANDS | NPLUG_ZONE_FLAG_FOLLOWS},
                                       {.name = "horn",
                                        .kind = NPLUG_ZONE_BUTTON,
                                        .corner = NPLUG_CORNER_BOTTOM_LEFT,
                                        .width = 0.2f,
                                        .height = 0.4f},
                                       {.name = "winch",
                                        .kind = NPLUG_ZONE_BUTTON,
                                        .corner = NPLUG_CORNER_BOTTOM_RIGHT,
                                        .width = 0.2f,
                                        .height = 0.4f},
                                       {.name = "chart",
                                        .kind = NPLUG_ZONE_AREA,
                                        .corner = NPLUG_CORNER_TOP,
                                        .width = 0.3f,
                                        .height = 1.0f}};

static const nplug_action_def actions[] = {{"steer", NPLUG_ACTION_VECTOR, "pad:stick-left", 0},
                                           {"aim", NPLUG_ACTION_VECTOR, "zone:aim", 0},
                                           {"up", NPLUG_ACTION_BUTTON, "zone:aim.up", 0},
                                           {"horn", NPLUG_ACTION_BUTTON, "zone:horn", 0},
                                           {"winch", NPLUG_ACTION_BUTTON, "zone:winch hold=400", 0},
                                           {"pan", NPLUG_ACTION_MOTION, "zone:chart", 0},
                                           {"zoom", NPLUG_ACTION_LEVEL, "zone:chart-pinch", 0},
                                           {"pick", NPLUG_ACTION_BUTTON, "zone:chart-tap tap", 0}};

/* Where each finger goes round, as a share of the surface. */
static const float places[FINGERS][2] = {{0.1f, 0.25f}, {0.9f, 0.25f}, {0.1f, 0.8f},  {0.9f, 0.8f},
                                         {0.42f, 0.3f}, {0.5f, 0.5f},  {0.58f, 0.7f}, {0.27f, 0.5f},
                                         {0.72f, 0.3f}, {0.73f, 0.8f}};

static void say(load *all, nplug_time time, uint32_t finger, unsigned axis, int32_t value)
{
    add_value(all, time, 0, (uint16_t)(3 * finger + axis), value)->flags = NPLUG_REPORT_FLAG_MORE;
}

static void make(load *all)
{
    begin_load(all, MOST);
    for (unsigned g = 0; g < GROUPS; g++) {
        nplug_time time = (nplug_time)g * 1000000 / RATE + 1000;
        for (uint32_t f = 0; f < FINGERS; f++) {
            double angle = 2.0 * M_PI * (double)g / RATE * (1.0 + f / 7.0);
            unsigned turn = (g + f * 11) % (RATE / 2);
            say(all, time, f, 1, (int32_t)(1919 * ((double)places[f][0] + 0.03 * cos(angle))));
            say(all, time, f, 2, (int32_t)(1079 * ((double)places[f][1] + 0.06 * sin(angle))));
            if (turn < 2) say(all, time, f, 0, turn ? (int32_t)g : -1);
        }
        all->reports[all->count - 1].flags = 0;
        end_frames(all, g + 1, RATE);
    }
}

static nplug_nest *open_table(nplug_ring **ring)
{
    nplug_game game = nplug_game_for_one("touch", actions, sizeof actions / sizeof *actions);
    nplug_nest *nest;

    game.zones = zones;
    game.zone_count = sizeof zones / sizeof *zones;
    nest = open_bare(&game, NULL, ring);
    plug_model(*ring, "tern", 0);
    nplug_step(nest, 0);
    return nest;
}

void measure_touch(void)
{
    load all;
    double nest_ns[ROUNDS], read_ns[ROUNDS], ratios[ROUNDS];
    nplug_ring *ring = NULL;
    nplug_nest *nest = open_table(&ring);
    int ends[2];

    NPLUG_SIZED(nplug_action_facts, horn);
    make(&all);
    if (pipe(ends) != 0) exit(1);
    for (unsigned i = 0; i < ROUNDS; i++) {
        nest_ns[i] =
            run_load(nest, ring, &all, (nplug_time)(i + 1) * SECONDS * 1000000) / (double)all.count;
        read_ns[i] = run_read(ends, all.count);
        ratios[i] = nest_ns[i] / read_ns[i];
    }
    nplug_action_info(nest, NPLUG_EVERYONE, 3, &horn);
    if (horn.press_count < ROUNDS * SECONDS) {
        fprintf(stderr, "bench: the touches did not come through: %llu presses\n",
                (unsigned long long)horn.press_count);
        exit(1);
    }
    printf("# %zu reports of touches a round: %.1f ns a report, %.1f ns a read\n", all.count,
           median(nest_ns, ROUNDS), median(read_ns, ROUNDS));
    printf("ratio touch_report_vs_read %.4f\n", median(ratios, ROUNDS));
    nplug_stop(nest);
    free(all.reports);
}
