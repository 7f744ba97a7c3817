/* A nest in one call: memory from malloc, this system's ports, a log to standard error. */
#include "ports.h"
#include <stdio.h>
#include <stdlib.h>

static void log_to_stderr(void *user, const char *line)
{
    (void)user;
    fprintf(stderr, "nestplug: %s\n", line);
}

/* The nest at the front of a block from malloc, with `more` bytes behind it. */
static nplug_result start(const nplug_game *game, const nplug_setup *setup, size_t more,
                          nplug_nest **nest)
{
    nplug_limits usual = nplug_limits_default();
    size_t size = nplug_memory_needed(setup->limits ? setup->limits : &usual);
    char *block = size ? (char *)malloc(size + more) : NULL;
    nplug_result result;

    *nest = NULL;
    if (!block) return size ? NPLUG_ERR_MEMORY : NPLUG_ERR_ARGUMENT;
    result = nplug_open(setup, block, size, nest);
    if (result == NPLUG_OK) result = nplug_use_game(*nest, game);
    if (result == NPLUG_OK && more) ns_ports_attach(*nest, block + size, setup);
    if (result == NPLUG_OK) return result;
    if (setup->log) setup->log(setup->log_user, nplug_result_text(result));
    free(block);
    *nest = NULL;
    return result;
}

static nplug_setup usual_setup(void)
{
    nplug_setup setup = nplug_setup_default();

    setup.log = log_to_stderr;
    return setup;
}

nplug_result nplug_start_game(const nplug_game *game, const nplug_setup *setup, nplug_nest **nest)
{
    nplug_setup usual = usual_setup();

    if (!nest) return NPLUG_ERR_ARGUMENT;
    return start(game, setup ? setup : &usual, ns_ports_size(), nest);
}

nplug_result nplug_start_bare(const nplug_game *game, const nplug_setup *setup, nplug_nest **nest)
{
    nplug_setup usual = usual_setup();

    if (!nest) return NPLUG_ERR_ARGUMENT;
    return start(game, setup ? setup : &usual, 0, nest);
}

/* The nest stands at the front of its block. */
void nplug_stop(nplug_nest *nest)
{
    nplug_close(nest);
    free(nest);
}
