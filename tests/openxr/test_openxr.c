/* The openxr port: the standard's real loader, a stand-in for a runtime behind it, and the
 * standard's validation layer in between, where that is installed. */
#include "ports/conform.h"
#include "nestplug/openxr.h"
#include "nestplug/nestplug.h"
#include "../standin/xr_runtime.h"
#include "../listed.h"
#include <dlfcn.h>
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>
#define XR_USE_TIMESPEC
#include <openxr/openxr.h>
#include <openxr/openxr_platform.h>

#define COUNT_OF(list) (sizeof(list) / sizeof *(list))

/* The loader itself leaks a little, once a process. */
const char *__lsan_default_suppressions(void);
const char *__lsan_default_suppressions(void)
{
    return "leak:libopenxr_loader\n";
}

enum { GRAB, PULL, STEER, MENU, LOWER, GRIP, VIEW, ACTIONS };
static const nplug_action_def actions[ACTIONS] = {
    [GRAB] = {"grab", NPLUG_ACTION_BUTTON, "hand:trigger press=0.9 release=0.3", 0},
    [PULL] = {"pull", NPLUG_ACTION_LEVEL, "hand-left:squeeze", 0},
    [STEER] = {"steer", NPLUG_ACTION_VECTOR, "hand-right:thumbstick", 0},
    [MENU] = {"menu", NPLUG_ACTION_BUTTON, "hand:menu", 0},
    [LOWER] = {"lower", NPLUG_ACTION_BUTTON, "hand-main:lower", 0},
    [GRIP] = {"grip", NPLUG_ACTION_POSE, "hand-left:pose-grip", 0},
    [VIEW] = {"view", NPLUG_ACTION_POSE, "headset:pose-view", 0}};

/* A made-up controller, as a game hands it over: the file of the examples. */
static nplug_openxr_profile osprey;
static nplug_controller_file *osprey_file;

static void read_osprey(void)
{
    nplug_notes notes;

    if (osprey_file) return;
    ck_assert_int_eq(nplug_controller_file_read(SOURCE_DIR "/examples/osprey.controller.json",
                                                &osprey_file, &notes),
                     NPLUG_OK);
    ck_assert_uint_eq(notes.count, 0);
    osprey = *nplug_controller_file_profile(osprey_file);
    ck_assert_uint_eq(osprey.count, 21);
}

typedef struct rig {
    nplug_nest *nest;
    nplug_openxr *port;
    standin_xr_do say;
    standin_xr_shaken shaken;
    standin_xr_calls called;
} rig;

/* --- the layer -------------------------------------------------------------------------------- */

/* The validation layer, by what it is called by the loader, writes its complaints to a file. */
static const char complaints[] = "openxr-complaints.txt";

static void use_layer(void)
{
    XrApiLayerProperties list[16];
    uint32_t count = 0;

    unlink(complaints);
    if (XR_FAILED(xrEnumerateApiLayerProperties(0, &count, NULL))) return;
    if (count > COUNT_OF(list)) count = COUNT_OF(list);
    for (uint32_t i = 0; i < count; i++)
        list[i] = (XrApiLayerProperties){.type = XR_TYPE_API_LAYER_PROPERTIES};
    if (XR_FAILED(xrEnumerateApiLayerProperties(count, &count, list))) return;
    for (uint32_t i = 0; i < count; i++) {
        if (!strstr(list[i].layerName, "core_validation")) continue;
        setenv("XR_ENABLE_API_LAYERS", list[i].layerName, 1);
        setenv("XR_CORE_VALIDATION_EXPORT_TYPE", "text", 1);
        setenv("XR_CORE_VALIDATION_FILE_NAME", complaints, 1);
    }
}

static void check_complaints(void)
{
    FILE *file = fopen(complaints, "r");
    char line[512];

    while (file && fgets(line, sizeof line, file))
        ck_assert_msg(!strstr(line, "VUID"), "the validation layer says: %s", line);
    if (file) fclose(file);
    unlink(complaints);
}

/* --- the rig ---------------------------------------------------------------------------------- */

static void step(const rig *r)
{
    usleep(1000); /* so that what was said lies behind the step's time */
    nplug_step(r->nest, nplug_now());
}

static void find_runtime(rig *r)
{
    void *runtime = dlopen(RUNTIME, RTLD_NOW);

    ck_assert_msg(runtime != NULL, "%s", dlerror());
    *(void **)&r->say = dlsym(runtime, "standin_xr");
    *(void **)&r->shaken = dlsym(runtime, "standin_xr_shakes");
    *(void **)&r->called = dlsym(runtime, "standin_xr_called");
    ck_assert(r->say && r->shaken && r->called);
}

static nplug_result open_rig(rig *r)
{
    nplug_openxr_setup setup = nplug_openxr_setup_default();
    nplug_game game = nplug_game_for_one("crane", actions, ACTIONS);
    size_t size = nplug_openxr_memory_needed();

    memset(r, 0, sizeof *r);
    setenv("XR_RUNTIME_JSON", RUNTIME_JSON, 1);
    use_layer();
    find_runtime(r);
    read_osprey();
    setup.profiles = &osprey;
    setup.profile_count = 1;
    ck_assert_int_eq(nplug_start_bare(&game, NULL, &r->nest), NPLUG_OK);
    r->port = nplug_openxr_open(&setup, malloc(size), size);
    ck_assert_ptr_nonnull(r->port);
    return nplug_openxr_attach(r->port, r->nest);
}

static void close_rig(rig *r)
{
    nplug_stop(r->nest);
    free(r->port);
    check_complaints();
}

/* A rig whose session has the focus, with the made-up controllers. */
static void open_running(rig *r)
{
    ck_assert_int_eq(open_rig(r), NPLUG_OK);
    r->say("profile /interaction_profiles/harbour/osprey");
    for (int i = 0; i < 4; i++)
        step(r);
    ck_assert_uint_eq(nplug_device_count(r->nest), 3);
}

static nplug_openxr_facts state_of(const rig *r)
{
    NPLUG_SIZED(nplug_openxr_facts, facts);

    ck_assert_int_eq(nplug_openxr_info(r->port, &facts), NPLUG_OK);
    return facts;
}

static nplug_pose_facts pose_of(const rig *r, uint32_t action)
{
    NPLUG_SIZED(nplug_pose_facts, facts);

    ck_assert_int_eq(nplug_action_pose(r->nest, 1, action, &facts), NPLUG_OK);
    return facts;
}

static nplug_device device_of(const rig *r, uint32_t kind)
{
    for (uint32_t i = 0; i < nplug_device_count(r->nest); i++) {
        NPLUG_SIZED(nplug_device_facts, facts);
        nplug_device_info(r->nest, nplug_device_at(r->nest, i), &facts);
        if (facts.kind == kind) return facts.device;
    }
    return 0;
}

static bool saw(const rig *r, uint32_t kind)
{
    for (uint32_t i = 0; i < nplug_event_count(r->nest); i++)
        if (nplug_event_at(r->nest, i)->kind == kind) return true;
    return false;
}

/* --- what must hold --------------------------------------------------------------------------- */

TEST(hands_and_headset_drive_actions)
{
    nplug_pose_facts pose;
    rig r;

    open_running(&r);
    ck_assert_uint_eq(state_of(&r).state, NPLUG_OPENXR_RUNNING);
    ck_assert_str_eq(state_of(&r).runtime, "Stand-in");
    r.say("set /user/hand/right/input/trigger/value 0.95");
    r.say("set /user/hand/left/input/squeeze/value 0.5");
    r.say("set /user/hand/right/input/thumbstick -0.5 1");
    r.say("set /user/hand/right/input/a/click 1");
    r.say("pose /user/hand/left/input/grip/pose 0.1 1.2 -0.3 0 0.6 0 0.8");
    r.say("velocity /user/hand/left/input/grip/pose 1 -2 3 0.5 0 -0.5");
    r.say("pose view 0 1.7 0 0 0 0 1");
    step(&r);
    ck_assert(nplug_held(r.nest, 1, GRAB) && nplug_held(r.nest, 1, LOWER));
    ck_assert_float_eq_tol(nplug_level(r.nest, 1, PULL), 0.5f, 0.001f);
    ck_assert_float_eq_tol(nplug_vector(r.nest, 1, STEER).x, -0.5f, 0.1f);
    pose = pose_of(&r, GRIP);
    ck_assert(pose.position_tracked && pose.orientation_tracked && pose.has_velocity);
    ck_assert_float_eq_tol(pose.pose.position[2], -0.3f, 0.0001f);
    ck_assert_float_eq_tol(pose.pose.orientation[1], 0.6f, 0.0001f);
    ck_assert_float_eq_tol(pose.velocity[1], -2.0f, 0.0001f);
    ck_assert_float_eq_tol(pose.turn_rate[2], -0.5f, 0.0001f);
    ck_assert_float_eq_tol(pose_of(&r, VIEW).pose.position[1], 1.7f, 0.0001f);
    r.say("set /user/hand/right/input/trigger/value 0.5");
    step(&r);
    ck_assert(nplug_held(r.nest, 1, GRAB));
    r.say("set /user/hand/right/input/trigger/value 0.1");
    step(&r);
    ck_assert(!nplug_held(r.nest, 1, GRAB));
    close_rig(&r);
}

/* The standard's simple controller has a select button: that is a pull of the trigger. */
TEST(another_controller_is_another_device)
{
    nplug_device before;
    rig r;

    open_running(&r);
    before = device_of(&r, NPLUG_KIND_HAND_LEFT);
    r.say("profile /interaction_profiles/khr/simple_controller");
    r.say("set /user/hand/left/input/select/click 1");
    step(&r);
    step(&r);
    ck_assert(nplug_held(r.nest, 1, GRAB));
    ck_assert_uint_eq(device_of(&r, NPLUG_KIND_HAND_LEFT), before);
    r.say("gone /user/hand/left");
    step(&r);
    step(&r);
    ck_assert(!nplug_held(r.nest, 1, GRAB));
    ck_assert_uint_eq(nplug_device_count(r.nest), 2);
    r.say("back /user/hand/left");
    step(&r);
    step(&r);
    ck_assert_uint_eq(nplug_device_count(r.nest), 3);
    ck_assert(!nplug_held(r.nest, 1, GRAB));
    r.say("set /user/hand/left/input/select/click 0");
    step(&r);
    r.say("set /user/hand/left/input/select/click 1");
    step(&r);
    ck_assert(nplug_held(r.nest, 1, GRAB));
    close_rig(&r);
}

/* A hand that comes with its trigger pulled, however far, presses nothing until it was let go, and
 * no more does its squeeze give a level. */
TESTS(a_hand_that_comes_with_its_trigger_pulled_presses_nothing, 3)
{
    static const char *const pulls[] = {"0.2", "0.5", "1"};
    char pulled[80], squeezed[80];
    rig r;

    open_running(&r);
    snprintf(pulled, sizeof pulled, "set /user/hand/left/input/trigger/value %s", pulls[_i]);
    snprintf(squeezed, sizeof squeezed, "set /user/hand/left/input/squeeze/value %s", pulls[_i]);
    r.say("gone /user/hand/left");
    step(&r);
    r.say(pulled);
    r.say(squeezed);
    step(&r);
    r.say("back /user/hand/left");
    for (int i = 0; i < 3; i++) {
        step(&r);
        ck_assert(!nplug_held(r.nest, 1, GRAB));
        ck_assert_float_eq(nplug_level(r.nest, 1, PULL), 0.0f);
    }
    ck_assert_uint_eq(nplug_device_count(r.nest), 3);
    r.say("set /user/hand/left/input/trigger/value 0");
    r.say("set /user/hand/left/input/squeeze/value 0");
    step(&r);
    r.say("set /user/hand/left/input/trigger/value 1");
    r.say("set /user/hand/left/input/squeeze/value 1");
    step(&r);
    ck_assert(nplug_held(r.nest, 1, GRAB));
    ck_assert_float_eq(nplug_level(r.nest, 1, PULL), 1.0f);
    close_rig(&r);
}

/* Without the focus all fall asleep, and what was held is let go; waking fires nothing. */
TEST(a_headset_that_is_taken_off_lets_go)
{
    NPLUG_SIZED(nplug_device_facts, facts);
    bool awake;
    rig r;

    open_running(&r);
    r.say("set /user/hand/left/input/trigger/value 1");
    step(&r);
    ck_assert(nplug_held(r.nest, 1, GRAB));
    r.say("state VISIBLE");
    step(&r);
    ck_assert(saw(&r, NPLUG_EVENT_ASLEEP) && !nplug_held(r.nest, 1, GRAB));
    ck_assert_uint_eq(state_of(&r).state, NPLUG_OPENXR_ASLEEP);
    nplug_device_info(r.nest, device_of(&r, NPLUG_KIND_HAND_LEFT), &facts);
    ck_assert(facts.asleep && facts.present);
    r.say("state FOCUSED");
    step(&r);
    awake = saw(&r, NPLUG_EVENT_AWAKE);
    step(&r);
    awake |= saw(&r, NPLUG_EVENT_AWAKE);
    ck_assert(awake);
    ck_assert_uint_eq(state_of(&r).state, NPLUG_OPENXR_RUNNING);
    ck_assert(!nplug_held(r.nest, 1, GRAB));
    r.say("set /user/hand/left/input/trigger/value 0");
    step(&r);
    r.say("set /user/hand/left/input/trigger/value 1");
    step(&r);
    ck_assert(nplug_held(r.nest, 1, GRAB));
    close_rig(&r);
}

TEST(a_pose_that_drops_out_stays_and_says_so)
{
    nplug_pose_facts pose;
    rig r;

    open_running(&r);
    r.say("pose /user/hand/left/input/grip/pose 1 2 3 0 0 0 1");
    step(&r);
    r.say("pose /user/hand/left/input/grip/pose 9 9 9 0 0 0 1");
    r.say("flags /user/hand/left/input/grip/pose 0");
    step(&r);
    pose = pose_of(&r, GRIP);
    ck_assert(!pose.position_valid && !pose.orientation_tracked);
    ck_assert_float_eq_tol(pose.pose.position[0], 1.0f, 0.0001f);
    r.say("flags /user/hand/left/input/grip/pose 3");
    r.say("pose /user/hand/left/input/grip/pose nan inf -3e9 0 0 0 0");
    step(&r);
    pose = pose_of(&r, GRIP);
    ck_assert(pose.position_valid && !pose.position_tracked && !pose.orientation_valid);
    for (unsigned i = 0; i < 3; i++)
        ck_assert(isfinite(pose.pose.position[i]));
    ck_assert_float_eq(pose.pose.orientation[3], 1.0f);
    close_rig(&r);
}

TEST(hands_shake)
{
    standin_xr_shake shake;
    unsigned stops;
    rig r;

    open_running(&r);
    stops = r.shaken(1).stops;
    nplug_rumble(r.nest, device_of(&r, NPLUG_KIND_HAND_RIGHT), 0.25f, 0.75f, 40);
    step(&r);
    shake = r.shaken(1);
    ck_assert_float_eq_tol(shake.amplitude, 0.75f, 0.001f);
    ck_assert_int_eq(shake.nanoseconds, 40000000);
    nplug_rumble(r.nest, device_of(&r, NPLUG_KIND_HAND_RIGHT), 0.0f, 0.0f, 0);
    nplug_rumble(r.nest, device_of(&r, NPLUG_KIND_HEADSET), 1.0f, 1.0f, 10);
    step(&r);
    ck_assert_uint_eq(r.shaken(1).stops, stops + 1);
    close_rig(&r);
}

TESTS(a_session_ends_and_another_begins, 2)
{
    rig r;

    open_running(&r);
    r.say("set /user/hand/left/input/trigger/value 1");
    step(&r);
    r.say(_i ? "state LOSS_PENDING" : "state STOPPING");
    for (int i = 0; i < 4; i++)
        step(&r);
    ck_assert_uint_eq(state_of(&r).state, NPLUG_OPENXR_LOST);
    ck_assert_uint_eq(nplug_device_count(r.nest), 0);
    ck_assert(!nplug_held(r.nest, 1, GRAB));
    ck_assert_int_eq(nplug_detach(r.nest, r.port), NPLUG_OK);
    step(&r);
    ck_assert_int_eq(nplug_openxr_attach(r.port, r.nest), NPLUG_OK);
    for (int i = 0; i < 4; i++)
        step(&r);
    ck_assert_uint_eq(state_of(&r).state, NPLUG_OPENXR_RUNNING);
    ck_assert_uint_eq(nplug_device_count(r.nest), 3);
    close_rig(&r);
}

/* --- a session of the game's ------------------------------------------------------------------ */

typedef struct own_game {
    XrInstance instance;
    XrSession session;
    bool running;
} own_game;

static void begin_game(own_game *game)
{
    const char *wanted[] = {XR_MND_HEADLESS_EXTENSION_NAME,
                            XR_KHR_CONVERT_TIMESPEC_TIME_EXTENSION_NAME};
    XrInstanceCreateInfo info = {.type = XR_TYPE_INSTANCE_CREATE_INFO,
                                 .enabledExtensionCount = 2,
                                 .enabledExtensionNames = wanted};
    XrSystemGetInfo get = {.type = XR_TYPE_SYSTEM_GET_INFO,
                           .formFactor = XR_FORM_FACTOR_HEAD_MOUNTED_DISPLAY};
    XrSessionCreateInfo create = {.type = XR_TYPE_SESSION_CREATE_INFO};

    strcpy(info.applicationInfo.applicationName, "harbour");
    info.applicationInfo.apiVersion = XR_MAKE_VERSION(1, 0, 0);
    ck_assert_int_eq(xrCreateInstance(&info, &game->instance), XR_SUCCESS);
    ck_assert_int_eq(xrGetSystem(game->instance, &get, &create.systemId), XR_SUCCESS);
    ck_assert_int_eq(xrCreateSession(game->instance, &create, &game->session), XR_SUCCESS);
}

/* The game's own loop: it begins and ends its session, and tells the port. */
static void poll_game(own_game *game, const rig *r)
{
    XrSessionBeginInfo begin = {.type = XR_TYPE_SESSION_BEGIN_INFO,
                                .primaryViewConfigurationType =
                                    XR_VIEW_CONFIGURATION_TYPE_PRIMARY_STEREO};
    XrEventDataBuffer event = {.type = XR_TYPE_EVENT_DATA_BUFFER};

    while (xrPollEvent(game->instance, &event) == XR_SUCCESS) {
        XrSessionState state = ((XrEventDataSessionStateChanged *)(void *)&event)->state;
        ck_assert_int_eq(nplug_openxr_hear(r->port, &event), NPLUG_OK);
        if (event.type == XR_TYPE_EVENT_DATA_SESSION_STATE_CHANGED) {
            if (state == XR_SESSION_STATE_READY) xrBeginSession(game->session, &begin);
            if (state == XR_SESSION_STATE_STOPPING) xrEndSession(game->session);
        }
        event = (XrEventDataBuffer){.type = XR_TYPE_EVENT_DATA_BUFFER};
    }
}

TEST(a_games_own_session_is_heard)
{
    nplug_openxr_setup setup = nplug_openxr_setup_default();
    nplug_game of = nplug_game_for_one("crane", actions, ACTIONS);
    size_t size = nplug_openxr_memory_needed();
    own_game game = {0};
    rig r = {0};

    setenv("XR_RUNTIME_JSON", RUNTIME_JSON, 1);
    use_layer();
    find_runtime(&r);
    begin_game(&game);
    read_osprey();
    setup.profiles = &osprey;
    setup.profile_count = 1;
    setup.instance = (uint64_t)(uintptr_t)game.instance;
    setup.session = (uint64_t)(uintptr_t)game.session;
    ck_assert_int_eq(nplug_start_bare(&of, NULL, &r.nest), NPLUG_OK);
    r.port = nplug_openxr_open(&setup, malloc(size), size);
    ck_assert_int_eq(nplug_openxr_hear(r.port, &game), NPLUG_ERR_ARGUMENT); /* not attached yet */
    ck_assert_int_eq(nplug_openxr_attach(r.port, r.nest), NPLUG_OK);
    r.say("profile /interaction_profiles/harbour/osprey");
    for (int i = 0; i < 4; i++, step(&r))
        poll_game(&game, &r);
    ck_assert_uint_eq(state_of(&r).state, NPLUG_OPENXR_RUNNING);
    ck_assert_uint_eq(nplug_device_count(r.nest), 3);
    r.say("set /user/hand/right/input/trigger/value 1");
    ck_assert_int_eq(nplug_openxr_predict(r.port, (int64_t)nplug_now() * 1000 + 11000000),
                     NPLUG_OK);
    ck_assert_int_eq(nplug_openxr_predict(r.port, -1), NPLUG_ERR_ARGUMENT);
    step(&r);
    ck_assert(nplug_held(r.nest, 1, GRAB));
    r.say("state STOPPING");
    for (int i = 0; i < 4; i++, step(&r))
        poll_game(&game, &r);
    ck_assert(!nplug_held(r.nest, 1, GRAB));
    ck_assert_uint_eq(nplug_device_count(r.nest), 0);
    close_rig(&r);
    ck_assert_int_eq(xrDestroySession(game.session), XR_SUCCESS);
    ck_assert_int_eq(xrDestroyInstance(game.instance), XR_SUCCESS);
}

/* Whatever a call answers, once: the game goes on, nothing is held that nobody holds, and a session
 * that was not taken away drives actions again. */
static const char *const calls[] = {"xrGetSystem",
                                    "xrCreateSession",
                                    "xrStringToPath",
                                    "xrCreateActionSet",
                                    "xrCreateAction",
                                    "xrSuggestInteractionProfileBindings",
                                    "xrCreateReferenceSpace",
                                    "xrCreateActionSpace",
                                    "xrAttachSessionActionSets",
                                    "xrGetInstanceProperties",
                                    "xrPollEvent",
                                    "xrBeginSession",
                                    "xrSyncActions",
                                    "xrGetCurrentInteractionProfile",
                                    "xrGetActionStateBoolean",
                                    "xrGetActionStateFloat",
                                    "xrGetActionStateVector2f",
                                    "xrLocateSpace",
                                    "xrConvertTimespecTimeToTimeKHR",
                                    "xrConvertTimeToTimespecTimeKHR"};
static const int answers[] = {
    XR_ERROR_VALIDATION_FAILURE, XR_ERROR_RUNTIME_FAILURE,        XR_ERROR_OUT_OF_MEMORY,
    XR_ERROR_LIMIT_REACHED,      XR_ERROR_INSTANCE_LOST,          XR_ERROR_SESSION_LOST,
    XR_ERROR_HANDLE_INVALID,     XR_ERROR_PATH_INVALID,           XR_ERROR_PATH_UNSUPPORTED,
    XR_ERROR_TIME_INVALID,       XR_ERROR_SESSION_NOT_READY,      XR_ERROR_SESSION_NOT_RUNNING,
    XR_ERROR_SYSTEM_INVALID,     XR_ERROR_ACTIONSET_NOT_ATTACHED, XR_ERROR_FORM_FACTOR_UNAVAILABLE,
    XR_SESSION_LOSS_PENDING};

/* Only calls on a session may say that it is about to be lost. */
static bool is_of_session(const char *call)
{
    return strstr(call, "Space") || strstr(call, "State") || strstr(call, "Sync") ||
           strstr(call, "Current");
}

TESTS(each_answer_of_each_call_is_borne, COUNT_OF(calls))
{
    char line[96];
    rig r;

    for (size_t a = 0; a < COUNT_OF(answers); a++) {
        nplug_result result;
        if (answers[a] > 0 && !is_of_session(calls[_i])) continue;
        find_runtime(&r);
        snprintf(line, sizeof line, "fail %s %d", calls[_i], answers[a]);
        ck_assert_int_eq(r.say(line), 0);
        result = open_rig(&r);
        ck_assert(result == NPLUG_OK || result == NPLUG_ERR_FILE);
        if (result != NPLUG_OK) ck_assert_uint_ne(state_of(&r).failures, 0);
        r.say("set /user/hand/left/input/trigger/value 1");
        for (int i = 0; i < 6; i++)
            step(&r);
        if (result == NPLUG_OK && state_of(&r).state == NPLUG_OPENXR_RUNNING) r.say(line);
        for (int i = 0; i < 6; i++)
            step(&r);
        ck_assert_uint_le(nplug_device_count(r.nest), 3);
        if (state_of(&r).state == NPLUG_OPENXR_LOST || result != NPLUG_OK)
            ck_assert_uint_eq(nplug_device_count(r.nest), 0);
        close_rig(&r);
    }
}

/* Without a runtime: a clear answer, and no word on standard error. */
TEST(no_runtime_is_told_and_harms_nothing)
{
    nplug_openxr_setup setup = nplug_openxr_setup_default();
    size_t size = nplug_openxr_memory_needed();
    nplug_openxr *port = nplug_openxr_open(&setup, malloc(size), size);
    nplug_game game = nplug_game_for_one("crane", actions, ACTIONS);
    NPLUG_SIZED(nplug_openxr_facts, facts);
    char said[64] = "";
    FILE *kept;
    nplug_nest *nest;
    int old = dup(2);

    setenv("XR_RUNTIME_JSON", "/nonexistent/runtime.json", 1);
    unsetenv("XR_LOADER_DEBUG");
    kept = freopen("openxr-stderr.txt", "w+", stderr);
    ck_assert_ptr_nonnull(kept);
    ck_assert_int_eq(nplug_start_bare(&game, NULL, &nest), NPLUG_OK);
    ck_assert_int_eq(nplug_openxr_attach(port, nest), NPLUG_ERR_FILE);
    fflush(stderr);
    rewind(kept);
    ck_assert_ptr_null(fgets(said, sizeof said, kept));
    dup2(old, 2);
    unlink("openxr-stderr.txt");
    ck_assert_int_eq(nplug_openxr_info(port, &facts), NPLUG_OK);
    ck_assert_uint_eq(facts.state, NPLUG_OPENXR_NO_RUNTIME);
    ck_assert_str_eq(nplug_openxr_state_name(facts.state), "no runtime");
    nplug_step(nest, nplug_now());
    ck_assert_uint_eq(nplug_device_count(nest), 0);
    nplug_stop(nest);
    free(port);
}

TEST(impossible_setups_are_refused)
{
    static const nplug_openxr_binding wrong[] = {{99, "/user/hand/left/input/a/click"},
                                                 {NPLUG_OPENXR_MENU, "/user/head/input/a/click"}};
    nplug_openxr_profile profiles[] = {{NULL, NULL, 0, 0},
                                       {"/interaction_profiles/a/b", &wrong[0], 1, 0},
                                       {"/interaction_profiles/a/b", &wrong[1], 1, 0},
                                       {"/interaction_profiles/a/b", NULL, 1, 0}};
    size_t size = nplug_openxr_memory_needed();
    nplug_openxr_setup setup = nplug_openxr_setup_default();
    void *block = malloc(size);

    ck_assert_ptr_null(nplug_openxr_open(&setup, block, size - 1));
    ck_assert_ptr_null(nplug_openxr_open(NULL, block, size));
    setup.instance = 1;
    ck_assert_ptr_null(nplug_openxr_open(&setup, block, size));
    setup = nplug_openxr_setup_default();
    setup.application = "";
    ck_assert_ptr_null(nplug_openxr_open(&setup, block, size));
    setup = nplug_openxr_setup_default();
    setup.profile_count = 1;
    for (size_t i = 0; i < COUNT_OF(profiles); i++) {
        setup.profiles = &profiles[i];
        ck_assert_ptr_null(nplug_openxr_open(&setup, block, size));
    }
    free(block);
}

/* The port's codes are those by which sheets name paths. */
/* What the tool says of hands, or of a file of controllers that is wrong. */
static void read_tool(const char *file, char *text, size_t size)
{
    char command[512];
    FILE *tool;

    snprintf(command, sizeof command,
             TOOL " devices --port openxr --for 1 --controller " SOURCE_DIR "/%s 2>&1", file);
    tool = popen(command, "r");
    ck_assert_ptr_nonnull(tool);
    text[fread(text, 1, size - 1, tool)] = 0;
    pclose(tool);
}

TEST(the_tool_reads_controllers)
{
    char text[4096];

    setenv("XR_RUNTIME_JSON", RUNTIME_JSON, 1);
    read_tool("examples/osprey.controller.json", text, sizeof text);
    ck_assert_msg(strstr(text, "hand-left") && strstr(text, "headset") && strstr(text, "3 here"),
                  "%s", text);
    read_tool("tests/data/wrong/control-misspelt.controller", text, sizeof text);
    ck_assert_msg(strstr(text, "did you mean \"trigger\"?") != NULL, "%s", text);
    ck_assert_ptr_null(strstr(text, "hand-left"));
}

TEST(the_ports_signals_have_names)
{
    rig r;

    open_running(&r);
    for (uint32_t d = 0; d < nplug_device_count(r.nest); d++) {
        nplug_device device = nplug_device_at(r.nest, d);
        NPLUG_SIZED(nplug_signal_facts, facts);
        for (uint32_t i = 0; nplug_signal_info(r.nest, device, i, &facts) == NPLUG_OK; i++) {
            char name[64];
            nplug_code_name(NPLUG_SPACE_OPENXR, facts.code, name, sizeof name);
            ck_assert_msg(strchr(name, '/') != NULL, "code %u is %s", facts.code, name);
            ck_assert_msg(facts.read, "%s drives nothing", name);
        }
    }
    close_rig(&r);
}
