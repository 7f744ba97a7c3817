/* What prompts cost: ratio prompts_64_vs_frame VALUE, asking for 64 kept prompts (16 actions of
 * four players) in a frame in which nothing but values happened, over a frame of the load with
 * those players; and what finding all 64 anew costs, which is when something happened. */
#include "load.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define PLAYERS 4
#define ACTIONS 16
#define TIMES   200

static nplug_action_def actions[ACTIONS];
static char names[ACTIONS][16];

static nplug_nest *open_players(nplug_ring **ring)
{
    static const char *const texts[] = {"pad:stick-left | keys:KeyW,KeyS,KeyA,KeyD",
                                        "pad:south | key:KeyH", "pad:west hold=400 | key:KeyE",
                                        "pad:shoulder-left+pad:east | key:ShiftLeft+key:KeyQ"};
    nplug_game game = nplug_game_for("prompts", actions, ACTIONS, PLAYERS);
    nplug_nest *nest;

    for (int a = 0; a < ACTIONS; a++) {
        snprintf(names[a], sizeof names[a], "action-%d", a);
        actions[a] = (nplug_action_def){names[a], a % 4 ? NPLUG_ACTION_BUTTON : NPLUG_ACTION_VECTOR,
                                        texts[a % 4], 0};
    }
    nest = open_nest(&game, NULL, ring);
    for (uint32_t pad = 0; pad < PADS; pad++)
        if (pad < PLAYERS)
            nplug_claim(nest, nplug_device_at(nest, pad), pad + 1);
        else
            nplug_ignore(nest, nplug_device_at(nest, pad), true);
    nplug_step(nest, 0);
    return nest;
}

static nplug_prompter *keep_all(void)
{
    size_t size = nplug_prompter_memory_needed(PLAYERS * ACTIONS);
    nplug_prompter *prompter = nplug_prompter_open(PLAYERS * ACTIONS, malloc(size), size);

    for (uint32_t p = 1; p <= PLAYERS; p++)
        for (uint32_t a = 0; a < ACTIONS; a++)
            nplug_prompter_keep(prompter, p, a, NULL);
    return prompter;
}

/* Asks as a game does that lays out anew those that are others than before; nanoseconds a frame. */
static double ask_all(nplug_prompter *prompter, const nplug_nest *nest)
{
    static uint32_t shown, laid_out; /* over all rounds */
    double begin = now_ns(), span;

    for (int i = 0; i < TIMES; i++) {
        nplug_prompter_step(prompter, nest);
        for (uint32_t place = 0; place < PLAYERS * ACTIONS; place++) {
            bool changed;
            const nplug_prompt *prompt = nplug_prompter_at(prompter, place, &changed);
            shown += prompt != NULL;
            if (changed) laid_out += prompt->count;
        }
    }
    span = (now_ns() - begin) / TIMES;
    if (shown < TIMES * PLAYERS * ACTIONS || laid_out < PLAYERS * ACTIONS) {
        fprintf(stderr, "bench: prompts show too little\n");
        exit(1);
    }
    return span;
}

/* All of them found anew, as after a change. */
static double ask_anew(const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_prompt, prompt);
    double begin = now_ns();

    for (uint32_t p = 1; p <= PLAYERS; p++)
        for (uint32_t a = 0; a < ACTIONS; a++)
            nplug_prompt_info(nest, p, a, &prompt);
    return now_ns() - begin;
}

void measure_prompts(void)
{
    double ratios[ROUNDS], anew[ROUNDS];
    nplug_ring *ring = NULL;
    nplug_nest *nest = open_players(&ring);
    nplug_prompter *prompter = keep_all();
    load load;

    make_load(&load, 1000);
    for (unsigned i = 0; i < ROUNDS; i++) {
        double frame =
            run_load(nest, ring, &load, (nplug_time)(i + 1) * SECONDS * 1000000) / FRAMES;
        ratios[i] = ask_all(prompter, nest) / frame;
        anew[i] = ask_anew(nest);
    }
    printf("# 64 prompts found anew: %.0f ns\n", median(anew, ROUNDS));
    printf("ratio prompts_64_vs_frame %.4f\n", median(ratios, ROUNDS));
    nplug_stop(nest);
    free(prompter);
    free(load.reports);
}
