/* What more of everything costs: ratio bindings_10000_vs_10 VALUE (a report's cost where 10,000
 * bindings stand on controls that no report touches, over the same without them) and ratio
 * rate_8khz_vs_1khz VALUE (a frame's cost where everything comes eight times as often; 8 would be
 * proportional).  Both sides are ours. */
#include "load.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define MANY    100 /* actions with so many bindings each */
#define LIVE    10
#define ACTIONS (LIVE + MANY)

/* Ten bindings on what moves. */
static const nplug_action_def live[LIVE] = {
    {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left", 0},
    {"aim", NPLUG_ACTION_VECTOR, "pad:stick-right", 0},
    {"horn", NPLUG_ACTION_BUTTON, "pad:south", 0},
    {"bell", NPLUG_ACTION_BUTTON, "pad:south hold=300", 0},
    {"up", NPLUG_ACTION_BUTTON, "pad:stick-left.up", 0},
    {"down", NPLUG_ACTION_BUTTON, "pad:stick-left.down", 0},
    {"trim", NPLUG_ACTION_LEVEL, "pad:stick-right.x", 0},
    {"lift", NPLUG_ACTION_LEVEL, "pad:stick-right.y dead=0.1", 0},
    {"lamp", NPLUG_ACTION_BUTTON, "pad:south on-release", 0},
    {"flare", NPLUG_ACTION_BUTTON, "pad:south double-tap", 0},
};

static char texts[MANY][MANY * 24], names[MANY][16];

/* Controls of the pads, and keys, that nobody touches. */
static void make_idle(nplug_action_def *actions)
{
    static const char *const idle[] = {"pad:east",          "pad:west",           "pad:north",
                                       "pad:shoulder-left", "pad:shoulder-right", "pad:select",
                                       "pad:start",         "pad:dpad-up",        "pad:dpad-down",
                                       "pad:dpad-left",     "pad:dpad-right",     "pad:home"};

    for (unsigned i = 0; i < MANY; i++) {
        size_t used = 0;
        for (unsigned b = 0; b < MANY; b++) {
            unsigned n = i * MANY + b;
            char key[16];
            snprintf(key, sizeof key, "key:Key%c", 'A' + n % 26);
            used += (size_t)snprintf(texts[i] + used, sizeof texts[i] - used, "%s%s", b ? "|" : "",
                                     n % 2 ? key : idle[n / 2 % 12]);
        }
        snprintf(names[i], sizeof names[i], "idle-%u", i);
        actions[i].name = names[i];
        actions[i].kind = NPLUG_ACTION_BUTTON;
        actions[i].bindings = texts[i];
    }
}

static nplug_nest *open_scaled(uint32_t actions, nplug_ring **ring)
{
    static nplug_action_def all[ACTIONS];
    nplug_game game = nplug_game_for("scale", all, actions, 8);
    nplug_limits limits = nplug_limits_default();
    nplug_nest *nest;

    memcpy(all, live, sizeof live);
    make_idle(all + LIVE);
    limits.players = PADS;
    limits.actions = ACTIONS;
    limits.bindings = 11000;
    limits.sources = 256;
    limits.links = 4096;
    limits.events = 4096;
    limits.timers = 1024;
    limits.ring_slots = 2 * FRAME_MOST;
    nest = open_nest(&game, &limits, ring);
    for (uint32_t pad = 0; pad < PADS; pad++)
        nplug_claim(nest, nplug_device_at(nest, pad), pad + 1);
    return nest;
}

/* Two nests and two loads in turn; the median ratio. */
static double compare(uint32_t more, unsigned rate)
{
    double ratios[ROUNDS];
    nplug_ring *rings[2];
    nplug_nest *nests[2] = {open_scaled(LIVE + more, &rings[0]), open_scaled(LIVE, &rings[1])};
    load loads[2];

    make_load(&loads[0], rate);
    make_load(&loads[1], 1000);
    for (unsigned i = 0; i < ROUNDS; i++) {
        nplug_time from = (nplug_time)(i + 1) * SECONDS * 1000000;
        double first = run_load(nests[0], rings[0], &loads[0], from);
        ratios[i] = first / run_load(nests[1], rings[1], &loads[1], from);
    }
    for (unsigned n = 0; n < 2; n++) {
        nplug_stop(nests[n]);
        free(loads[n].reports);
    }
    return median(ratios, ROUNDS);
}

void measure_scale(void)
{
    printf("ratio bindings_10000_vs_10 %.2f\n", compare(MANY, 1000));
    printf("ratio rate_8khz_vs_1khz %.2f\n", compare(0, RATE_MOST));
}
