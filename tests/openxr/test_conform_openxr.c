/* The openxr port is held to the duties of all ports: by its right hand, with a stand-in runtime.
 */
#include "ports/conform.h"
#include "nestplug/openxr.h"
#include <dlfcn.h>
#include <stdio.h>
#include <stdlib.h>

#define COUNT_OF(list) (sizeof(list) / sizeof *(list))

const nplug_zone_def *const conform_zones = NULL;
const uint32_t conform_zone_count = 0;
const char *const conform_bindings[CONFORM_ACTIONS] = {
    [CONFORM_STEER] = "hand-right:thumbstick", [CONFORM_HORN] = "hand-right:lower"};

static void (*say)(const char *line);

static const nplug_port *openxr_open(subject *s)
{
    static nplug_controller_file *file;
    nplug_openxr_setup setup = nplug_openxr_setup_default();
    void *runtime = dlopen(RUNTIME, RTLD_NOW);
    size_t size = nplug_openxr_memory_needed();
    nplug_notes notes;

    ck_assert_msg(runtime != NULL, "%s", dlerror());
    *(void **)&say = dlsym(runtime, "standin_xr");
    setenv("XR_RUNTIME_JSON", RUNTIME_JSON, 1);
    if (!file)
        nplug_controller_file_read(SOURCE_DIR "/examples/osprey.controller.json", &file, &notes);
    setup.profiles = nplug_controller_file_profile(file);
    setup.profile_count = 1;
    s->self = nplug_openxr_open(&setup, malloc(size), size);
    ck_assert_ptr_nonnull(s->self);
    return nplug_openxr_port();
}

/* A hand that comes is as it was last: no person holds anything. */
static void openxr_plug(subject *s)
{
    (void)s;
    say("set /user/hand/right/input/a/click 0");
    say("profile /interaction_profiles/harbour/osprey");
    say("back /user/hand/right");
}

static void openxr_press(subject *s, bool down)
{
    (void)s;
    say(down ? "set /user/hand/right/input/a/click 1" : "set /user/hand/right/input/a/click 0");
}

static void openxr_diagonal(subject *s, float to)
{
    char line[80];

    (void)s;
    snprintf(line, sizeof line, "set /user/hand/right/input/thumbstick %g %g", (double)to,
             (double)to);
    say(line);
}

static void openxr_unplug(subject *s)
{
    (void)s;
    say("gone /user/hand/right");
}

static void openxr_close(subject *s)
{
    free(s->self);
}

/* Beside the right hand: the left one, and the headset. */
const subject conform_subjects[] = {{.name = "openxr",
                                     .open = openxr_open,
                                     .plug = openxr_plug,
                                     .press = openxr_press,
                                     .diagonal = openxr_diagonal,
                                     .unplug = openxr_unplug,
                                     .close = openxr_close,
                                     .number = 1,
                                     .beside = 2,
                                     .polled = true}};
const int conform_subject_count = COUNT_OF(conform_subjects);
