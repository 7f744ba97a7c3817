#include "stage.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>
#include <unistd.h>

nplug_nest *stage_open(const nplug_game *game, const char *trace)
{
    nplug_nest *nest;
    nplug_result result =
        trace ? nplug_start_bare(game, NULL, &nest) : nplug_start_game(game, NULL, &nest);

    return result == NPLUG_OK ? nest : NULL;
}

static int play_here(nplug_nest *nest, stage_frame frame, void *user)
{
    struct timespec pause = {0, 16000000};
    bool goes_on = true;

    while (goes_on) {
        nplug_step(nest, nplug_now());
        goes_on = frame(user, nest);
        nanosleep(&pause, NULL);
    }
    nplug_stop(nest);
    return 0;
}

int stage_play(nplug_nest *nest, const char *path, stage_frame frame, void *user)
{
    nplug_sim_limits room = {8, 256};
    size_t size = nplug_sim_memory_needed(room), count;
    const nplug_move *moves;
    nplug_trace *trace;
    nplug_notes notes;
    nplug_sim *sim;
    char line[300];

    if (!path) return play_here(nest, frame, user);
    sim = nplug_sim_open(room, malloc(size), size);
    if (!sim || nplug_trace_read(path, &trace, &notes) != NPLUG_OK) {
        if (sim && nplug_note_text(&notes, 0, line, sizeof line)) fprintf(stderr, "%s\n", line);
        free(sim);
        return 1;
    }
    moves = nplug_trace_moves(trace, &count);
    for (size_t i = 0; i < count; i++)
        nplug_sim_move(sim, &moves[i]);
    nplug_sim_attach(sim, nest);
    for (nplug_time now = 0; now <= nplug_sim_end(sim) + 100000; now += 16667) {
        nplug_step(nest, now);
        if (!frame(user, nest)) break;
    }
    nplug_stop(nest);
    nplug_trace_free(trace);
    free(sim);
    return 0;
}

bool stage_has_screen(void)
{
    const char *term = getenv("TERM");

    return isatty(STDOUT_FILENO) && term && *term && strcmp(term, "dumb") != 0;
}

void stage_clear(void)
{
    if (stage_has_screen()) printf("\033[H\033[2J");
}
