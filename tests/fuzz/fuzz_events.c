/* libFuzzer: bytes as the kernel would give them, through the linux port and the whole nest. */
#include "nestplug/nestplug.h"
#include "../standin/kernel.h"
#include <stdlib.h>

int LLVMFuzzerTestOneInput(const uint8_t *bytes, size_t size);

static const nplug_action_def actions[] = {
    {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left", 0},
    {"horn", NPLUG_ACTION_BUTTON, "pad:south | pad:trigger-left", 0},
    {"winch", NPLUG_ACTION_BUTTON, "pad:west hold=1", 0},
};

int LLVMFuzzerTestOneInput(const uint8_t *bytes, size_t size)
{
    nplug_linux_setup setup = nplug_linux_setup_default();
    nplug_setup nest_setup = nplug_setup_default();
    nplug_game game = nplug_game_for("fuzz", actions, 3, 2);
    standin_node *pad = standin_heron(0);
    nplug_linux *port;
    nplug_nest *nest;

    setup.folder = standin_folder();
    setup.nodes = 2;
    if (nplug_start_bare(&game, &nest_setup, &nest) != NPLUG_OK) abort();
    port = nplug_linux_open(&setup, malloc(nplug_linux_memory_needed(&setup)),
                            nplug_linux_memory_needed(&setup));
    nplug_linux_attach(port, nest);
    nplug_step(nest, nplug_now());
    standin_write(pad, bytes, size < 60000 ? size : 60000);
    nplug_step(nest, nplug_now());
    nplug_step(nest, UINT64_MAX / 2);
    if (nplug_level(nest, NPLUG_EVERYONE, 0) > 1.0f) abort();
    standin_unplug(pad);
    nplug_stop(nest);
    free(port);
    return 0;
}
