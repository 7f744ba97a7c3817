/* A nest in one call: memory from malloc, this system's ports, a log to standard error. */
#include "nestplug/system.h"
#include <stdio.h>
#include <stdlib.h>

static void log_to_stderr(void *user, const char *line)
{
    (void)user;
    fprintf(stderr, "nestplug: %s\n", line);
}

nplug_result nplug_start_game(const nplug_game *game, const nplug_setup *setup, nplug_nest **nest)
{
    nplug_setup usual = nplug_setup_default();
    nplug_result result;
    size_t size;
    void *block;

    if (!nest) return NPLUG_ERR_ARGUMENT;
    *nest = NULL;
    usual.log = log_to_stderr;
    if (!setup) setup = &usual;
    size = nplug_memory_needed(&setup->limits);
    block = size ? malloc(size) : NULL;
    if (!block) return size ? NPLUG_ERR_MEMORY : NPLUG_ERR_ARGUMENT;
    result = nplug_open(setup, block, size, nest);
    if (result == NPLUG_OK) result = nplug_use_game(*nest, game);
    if (result == NPLUG_OK) return result;
    if (setup->log) setup->log(setup->log_user, nplug_result_text(result));
    free(block);
    *nest = NULL;
    return result;
}

/* The nest stands at the front of its block. */
void nplug_close(nplug_nest *nest)
{
    nplug_shut(nest);
    free(nest);
}
