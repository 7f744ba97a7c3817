/* Devices and players: ratio idle_256_vs_0 VALUE (a frame of the load with 256 idle devices beside
 * it, over one without), what an arrival and a departure cost, and ratio switches_in_noise VALUE
 * (how often a simulated hour of every model's noise switches the active set; 0 is right). */
#include "load.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define IDLE 256

static const nplug_action_def actions[] = {
    {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left | keys:KeyW,KeyS,KeyA,KeyD", 0},
    {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right | key:Space", 0},
    {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyH", 0},
};

static nplug_nest *open_with(uint32_t idle, nplug_ring **ring)
{
    nplug_game game = nplug_game_for("idle", actions, sizeof actions / sizeof *actions, 4);
    nplug_limits limits = nplug_limits_default();
    nplug_nest *nest;

    limits.devices = limits.nodes = PADS + IDLE;
    limits.signals = limits.controls = limits.links = 20 * (PADS + IDLE);
    limits.events = 2 * (PADS + IDLE);
    limits.ring_slots = 16384;
    nest = open_nest(&game, &limits, ring);
    for (uint32_t i = 0; i < idle; i++)
        plug_pad(*ring, PADS + i);
    nplug_step(nest, 0);
    for (uint32_t pad = 0; pad < PADS; pad++)
        nplug_claim(nest, nplug_device_at(nest, pad), pad / 2 + 1);
    if (nplug_device_count(nest) != PADS + idle) exit(1);
    return nest;
}

static void measure_idle(void)
{
    double ratios[ROUNDS];
    nplug_ring *rings[2] = {NULL, NULL};
    nplug_nest *nests[2] = {open_with(IDLE, &rings[0]), open_with(0, &rings[1])};
    load load;

    make_load(&load, 1000);
    for (unsigned i = 0; i < ROUNDS; i++) {
        nplug_time from = (nplug_time)(i + 1) * SECONDS * 1000000;
        double first = run_load(nests[0], rings[0], &load, from);
        ratios[i] = first / run_load(nests[1], rings[1], &load, from);
    }
    printf("ratio idle_256_vs_0 %.2f\n", median(ratios, ROUNDS));
    nplug_stop(nests[0]);
    nplug_stop(nests[1]);
    free(load.reports);
}

/* A pad of 19 signals comes and goes, among 8 others. */
static void measure_coming(void)
{
    double come[ROUNDS], go[ROUNDS];
    nplug_ring *ring = NULL;
    nplug_nest *nest = open_with(0, &ring);
    nplug_report gone = {0};

    gone.device = PADS + IDLE;
    gone.kind = NPLUG_REPORT_DEPART;
    for (unsigned i = 0; i < ROUNDS; i++) {
        double begin = now_ns();
        plug_pad(ring, gone.device);
        nplug_step(nest, 1000);
        come[i] = now_ns() - begin;
        begin = now_ns();
        nplug_push(ring, &gone, 1);
        nplug_step(nest, 1000);
        go[i] = now_ns() - begin;
    }
    printf("# a pad comes in %.1f us, and goes in %.1f us\n", median(come, ROUNDS) / 1000.0,
           median(go, ROUNDS) / 1000.0);
    nplug_stop(nest);
}

/* --- noise ---------------------------------------------------------------------------------- */

/* An axis where it rests, and up to 3 % of its range beside that; a hat has no noise. */
static void tremble(nplug_sim *sim, const nplug_sim_model *model, nplug_time now)
{
    for (uint16_t s = 0; s < model->signal_count; s++) {
        const nplug_sim_signal *signal = &model->signals[s];
        int64_t value =
            signal->rest + ((int64_t)signal->max - signal->min) * (rand() % 7 - 3) / 100;
        nplug_move move = {0};
        if (signal->nature != NPLUG_NATURE_AXIS || signal->rest < signal->min ||
            signal->rest > signal->max)
            continue;
        move.kind = NPLUG_MOVE_SIGNAL;
        move.time = now;
        move.on = model->name;
        move.code = s;
        move.value = (int32_t)(value < signal->min   ? signal->min
                               : value > signal->max ? signal->max
                                                     : value);
        nplug_sim_move(sim, &move);
    }
}

static void measure_noise(void)
{
    nplug_game game = nplug_game_for_one("noise", actions, sizeof actions / sizeof *actions);
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits = nplug_limits_default();
    nplug_sim_limits room = {32, 512};
    size_t size = nplug_sim_memory_needed(room);
    nplug_sim *sim = nplug_sim_open(room, malloc(size), size);
    uint32_t models, switches = 0;
    const nplug_sim_model *model = nplug_sim_models(&models);
    nplug_nest *nest;

    limits.signals = limits.controls = limits.links = 2048;
    setup.limits = &limits;
    if (!sim || nplug_start_bare(&game, &setup, &nest) != NPLUG_OK) exit(1);
    nplug_sim_attach(sim, nest);
    nplug_sim_plug(sim, 0, "keys", "turnstone");
    for (uint32_t i = 0; i < models; i++)
        nplug_sim_plug(sim, 1000, model[i].name, model[i].name);
    nplug_sim_press(sim, 2000, "keys", "KeyH", 1000);
    nplug_step(nest, 10000);
    for (nplug_time now = 1000000; now < UINT64_C(3600000000); now += 100000) {
        for (uint32_t i = 0; i < models; i++)
            tremble(sim, &model[i], now);
        nplug_step(nest, now);
        for (uint32_t i = 0; i < nplug_event_count(nest); i++)
            switches += nplug_event_at(nest, i)->kind == NPLUG_EVENT_ACTIVE;
    }
    printf("ratio switches_in_noise %u\n", switches);
    nplug_stop(nest);
    free(sim);
}

void measure_players(void)
{
    measure_idle();
    measure_coming();
    measure_noise();
}
