#include "headset.h"
#include <stdio.h>
#include <stdlib.h>

#ifdef NPLUG_HAS_OPENXR
#include "nestplug/openxr.h"

/* What there is to do about each answer. */
static const char *advice(uint32_t state)
{
    if (state == NPLUG_OPENXR_NO_RUNTIME)
        return "no OpenXR runtime answers: install the one of your headset, or start it";
    if (state == NPLUG_OPENXR_NO_HEADLESS)
        return "the OpenXR runtime makes no session without graphics (XR_MND_headless): run a game "
               "that hands its own session over";
    if (state == NPLUG_OPENXR_NO_HEADSET)
        return "the OpenXR runtime has no headset: connect it, or wake it, and try again";
    return "the OpenXR runtime failed";
}

void *headset_attach(nplug_nest *nest, const nplug_openxr_profile *profile)
{
    nplug_openxr_setup setup = nplug_openxr_setup_default();
    size_t size = nplug_openxr_memory_needed();
    nplug_openxr *port;
    NPLUG_SIZED(nplug_openxr_facts, facts);

    setup.application = "nestplug";
    setup.profiles = profile;
    setup.profile_count = profile ? 1 : 0;
    port = nplug_openxr_open(&setup, malloc(size), size);
    if (!port || nplug_openxr_attach(port, nest) == NPLUG_OK) return port;
    nplug_openxr_info(port, &facts);
    fprintf(stderr, "nestplug: %s", advice(facts.state));
    if (facts.result) fprintf(stderr, " (%s: %d)", facts.call, (int)facts.result);
    fprintf(stderr, "\n");
    free(port);
    return NULL;
}
#else
void *headset_attach(nplug_nest *nest, const struct nplug_openxr_profile *profile)
{
    (void)nest;
    (void)profile;
    fprintf(stderr, "nestplug: this program was built without the openxr port (it needs "
                    "libopenxr-dev when it is built)\n");
    return NULL;
}
#endif
