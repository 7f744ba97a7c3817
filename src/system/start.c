/* A nest in one call: memory from malloc, this system's ports, a log to standard error. */
#include "ports.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static void log_to_stderr(void *user, const char *line)
{
    (void)user;
    fprintf(stderr, "nestplug: %s\n", line);
}

/* A setup of any version that nplug_open takes, as ours. */
static bool take(nplug_setup *setup, const nplug_setup *wish)
{
    const unsigned char *bytes = (const unsigned char *)wish;
    uint32_t known = setup->size;

    for (uint32_t i = known; i < wish->size; i++)
        if (bytes[i] != 0) return false;
    if (wish->size < known) return false;
    memcpy(setup, wish, known);
    setup->size = known;
    return true;
}

/* The nest at the front of a block from malloc, with `more` bytes behind it. */
static nplug_result start(const nplug_game *game, const nplug_setup *wish, size_t more,
                          nplug_nest **nest)
{
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits = nplug_limits_for(game);
    size_t size;
    char *block;
    nplug_result result;

    *nest = NULL;
    if (!take(&setup, wish)) return NPLUG_ERR_SIZE;
    if (!setup.limits) setup.limits = &limits;
    size = nplug_memory_needed(setup.limits);
    block = size ? (char *)malloc(size + more) : NULL;
    if (!block) return size ? NPLUG_ERR_MEMORY : NPLUG_ERR_ARGUMENT;
    setup.free_block = free;
    result = nplug_open(&setup, block, size, nest);
    if (result != NPLUG_OK) free(block);
    if (result == NPLUG_OK) result = nplug_use_game(*nest, game);
    if (result == NPLUG_OK && more) ns_ports_attach(*nest, block + size, &setup);
    if (result == NPLUG_OK) return result;
    if (setup.log) setup.log(setup.log_user, nplug_result_text(result));
    nplug_close(*nest);
    *nest = NULL;
    return result;
}

static nplug_result start_with(const nplug_game *game, const nplug_setup *wish, size_t more,
                               nplug_nest **nest)
{
    nplug_setup usual = nplug_setup_default();

    if (!nest || !game) return NPLUG_ERR_ARGUMENT;
    usual.log = log_to_stderr;
    return start(game, wish ? wish : &usual, more, nest);
}

nplug_result nplug_start_game(const nplug_game *game, const nplug_setup *setup, nplug_nest **nest)
{
    return start_with(game, setup, ns_ports_size(), nest);
}

nplug_result nplug_start_bare(const nplug_game *game, const nplug_setup *setup, nplug_nest **nest)
{
    return start_with(game, setup, 0, nest);
}

void nplug_stop(nplug_nest *nest)
{
    nplug_close(nest);
}
