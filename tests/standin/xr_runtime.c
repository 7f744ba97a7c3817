/* A stand-in for an OpenXR runtime: OpenXR 1.0 as far as the port calls it, without graphics. */
#include "xr_runtime.h"
#include <stdbool.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>
#define XR_USE_TIMESPEC
#include <openxr/openxr.h>
#include <openxr/openxr_platform.h>

#define COUNT(list) (sizeof(list) / sizeof *(list))
#define EXPORT      __attribute__((visibility("default")))

/* What loader and runtime say to each other (OpenXR loader specification): not in the headers. */
typedef struct loader_info {
    uint32_t type, version;
    size_t size;
    uint32_t min_interface, max_interface;
    XrVersion min_api, max_api;
} loader_info;
typedef struct runtime_request {
    uint32_t type, version;
    size_t size;
    uint32_t interface;
    XrVersion api;
    PFN_xrGetInstanceProcAddr get;
} runtime_request;

enum { PATHS = 256, ACTIONS = 64, BINDINGS = 32, SPACES = 64, INPUTS = 64, EVENTS = 64, FAILS = 8 };

typedef struct input {
    char path[96];
    float x, y;
    XrPosef pose;
    XrVector3f velocity, turn;
    uint64_t flags;
} input;
typedef struct binding {
    XrPath profile, source;
} binding;
typedef struct action {
    bool used, attached;
    XrActionType type;
    binding list[BINDINGS];
    unsigned count;
    struct {
        float x, y;
        bool active, changed;
        XrTime when;
    } of[2];
} action;
typedef struct space {
    bool used, is_view;
    int action, hand;
} space;

static char paths[PATHS][96];
static unsigned path_count, input_count, fail_count;
static input inputs[INPUTS];
static action actions[ACTIONS];
static space spaces[SPACES];
static XrEventDataBuffer events[EVENTS];
static unsigned event_first, event_count;
static bool has_instance, has_session, runs, attached, gone[2];
static XrSessionState state;
static standin_xr_shake shakes[2];
static struct {
    char name[48];
    XrResult result;
    int times;
} fails[FAILS];
static struct {
    char name[48];
    unsigned count;
} calls[64];

#define HANDLE(type, place) ((type)(uintptr_t)((place) + 1))
#define PLACE(handle)       ((int)(uintptr_t)(handle)-1)

/* The profile that the standard has, and one of a made-up controller. */
static const char *const profiles[] = {"/interaction_profiles/khr/simple_controller",
                                       "/interaction_profiles/harbour/osprey"};
#define SIMPLE                                                                                     \
    {                                                                                              \
        "/input/select/click", "/input/menu/click", "/input/grip/pose", "/input/aim/pose",         \
            "/output/haptic", NULL                                                                 \
    }
#define OSPREY                                                                                     \
    "/input/trigger/value", "/input/trigger/touch", "/input/squeeze/value", "/input/thumbstick",   \
        "/input/thumbstick/click", "/input/grip/pose", "/input/aim/pose", "/output/haptic"
/* By profile, then by hand. */
static const char *const ends[2][2][16] = {
    {SIMPLE, SIMPLE},
    {{OSPREY, "/input/x/click", "/input/y/click", "/input/menu/click", NULL},
     {OSPREY, "/input/a/click", "/input/b/click", NULL}}};
static const char *const hands[2] = {"/user/hand/left", "/user/hand/right"};
static int profile;

static XrTime now(void)
{
    struct timespec t;

    clock_gettime(CLOCK_MONOTONIC, &t);
    return (XrTime)t.tv_sec * 1000000000 + t.tv_nsec;
}

static const char *text_of(XrPath path)
{
    return path >= 1 && path <= path_count ? paths[path - 1] : "";
}

static XrPath path_of(const char *text)
{
    for (unsigned i = 0; i < path_count; i++)
        if (strcmp(paths[i], text) == 0) return i + 1;
    if (path_count == PATHS || strlen(text) >= sizeof paths[0]) return XR_NULL_PATH;
    strcpy(paths[path_count], text);
    return ++path_count;
}

static int hand_of(const char *path)
{
    for (int h = 0; h < 2; h++)
        if (strncmp(path, hands[h], strlen(hands[h])) == 0) return h;
    return -1;
}

static input *input_at(const char *path, bool make)
{
    for (unsigned i = 0; i < input_count; i++)
        if (strcmp(inputs[i].path, path) == 0) return &inputs[i];
    if (!make || input_count == INPUTS) return NULL;
    memset(&inputs[input_count], 0, sizeof inputs[0]);
    snprintf(inputs[input_count].path, sizeof inputs[0].path, "%s", path);
    inputs[input_count].pose.orientation.w = 1.0f;
    inputs[input_count].flags = 15;
    return &inputs[input_count++];
}

/* --- what tests say --------------------------------------------------------------------------- */

static void push_event(const void *event, size_t size)
{
    XrEventDataBuffer *at = &events[(event_first + event_count++) % EVENTS];

    memset(at, 0, sizeof *at);
    memcpy(at, event, size);
}

static void go(XrSessionState to)
{
    XrEventDataSessionStateChanged event = {.type = XR_TYPE_EVENT_DATA_SESSION_STATE_CHANGED,
                                            .session = HANDLE(XrSession, 0),
                                            .state = to,
                                            .time = now()};
    state = to;
    push_event(&event, sizeof event);
}

static void tell_profile(void)
{
    XrEventDataInteractionProfileChanged event = {
        .type = XR_TYPE_EVENT_DATA_INTERACTION_PROFILE_CHANGED, .session = HANDLE(XrSession, 0)};
    push_event(&event, sizeof event);
}

static int do_state(const char *word)
{
    static const char *const names[] = {"UNKNOWN",      "IDLE",         "READY",
                                        "SYNCHRONIZED", "VISIBLE",      "FOCUSED",
                                        "STOPPING",     "LOSS_PENDING", "EXITING"};
    for (size_t i = 0; i < COUNT(names); i++)
        if (strcmp(names[i], word) == 0) {
            go((XrSessionState)i);
            return 0;
        }
    return -1;
}

static int do_fail(const char *word, const float *numbers, int count)
{
    if (fail_count == FAILS) return -1;
    snprintf(fails[fail_count].name, sizeof fails[0].name, "%.47s", word);
    fails[fail_count].result = (XrResult)numbers[0];
    fails[fail_count++].times = count > 1 ? (int)numbers[1] : 1;
    return 0;
}

static int do_input(const char *verb, const char *path, const float n[7])
{
    input *in = input_at(path, true);

    if (!in) return -1;
    if (strcmp(verb, "set") == 0) {
        in->x = n[0];
        in->y = n[1];
    } else if (strcmp(verb, "pose") == 0) {
        in->pose.position = (XrVector3f){n[0], n[1], n[2]};
        in->pose.orientation = (XrQuaternionf){n[3], n[4], n[5], n[6]};
    } else if (strcmp(verb, "velocity") == 0) {
        in->velocity = (XrVector3f){n[0], n[1], n[2]};
        in->turn = (XrVector3f){n[3], n[4], n[5]};
    } else if (strcmp(verb, "flags") == 0) {
        in->flags = (uint64_t)n[0];
    } else {
        return -1;
    }
    return 0;
}

EXPORT int standin_xr(const char *line);
EXPORT int standin_xr(const char *line)
{
    char verb[16], word[96];
    float n[7] = {0};
    int count = sscanf(line, "%15s %95s %f %f %f %f %f %f %f", verb, word, n, n + 1, n + 2, n + 3,
                       n + 4, n + 5, n + 6) -
                2;

    if (count < 0) return -1;
    if (strcmp(verb, "state") == 0) return do_state(word);
    if (strcmp(verb, "fail") == 0) return do_fail(word, n, count);
    if (strcmp(verb, "gone") == 0 || strcmp(verb, "back") == 0) {
        if (hand_of(word) < 0) return -1;
        gone[hand_of(word)] = verb[0] == 'g';
        tell_profile();
        return 0;
    }
    if (strcmp(verb, "profile") == 0) {
        profile = strcmp(word, profiles[1]) == 0;
        tell_profile();
        return 0;
    }
    return do_input(verb, word, n);
}

EXPORT standin_xr_shake standin_xr_shakes(int hand);
EXPORT standin_xr_shake standin_xr_shakes(int hand)
{
    return shakes[hand & 1];
}

EXPORT unsigned standin_xr_called(const char *function);
EXPORT unsigned standin_xr_called(const char *function)
{
    for (size_t i = 0; i < COUNT(calls); i++)
        if (strcmp(calls[i].name, function) == 0) return calls[i].count;
    return 0;
}

/* --- the functions ---------------------------------------------------------------------------- */

/* Counts a call, and answers as a test wants it; else XR_SUCCESS. */
static XrResult answer(const char *name)
{
    char plain[48];
    size_t at = 0;

    snprintf(plain, sizeof plain, "%.*s", (int)strlen(name) - 1, name); /* without its last '_' */
    name = plain;
    while (at + 1 < COUNT(calls) && calls[at].name[0] && strcmp(calls[at].name, name) != 0)
        at++;
    snprintf(calls[at].name, sizeof calls[at].name, "%s", name);
    calls[at].count++;
    for (unsigned i = 0; i < fail_count; i++) {
        if (fails[i].times == 0 || strcmp(fails[i].name, name) != 0) continue;
        fails[i].times--;
        return fails[i].result;
    }
    return XR_SUCCESS;
}
#define ANSWER                                                                                     \
    do {                                                                                           \
        XrResult wanted = answer(__func__);                                                        \
        if (wanted != XR_SUCCESS) return wanted;                                                   \
    } while (0)
#define CALL static XrResult XRAPI_CALL

static const char *const extensions[] = {XR_MND_HEADLESS_EXTENSION_NAME,
                                         XR_KHR_CONVERT_TIMESPEC_TIME_EXTENSION_NAME};

CALL xrEnumerateInstanceExtensionProperties_(const char *layer, uint32_t room, uint32_t *count,
                                             XrExtensionProperties *list)
{
    (void)layer;
    *count = COUNT(extensions);
    for (uint32_t i = 0; room && i < COUNT(extensions); i++) {
        if (room < COUNT(extensions)) return XR_ERROR_SIZE_INSUFFICIENT;
        snprintf(list[i].extensionName, sizeof list[i].extensionName, "%s", extensions[i]);
        list[i].extensionVersion = 1;
    }
    return XR_SUCCESS;
}

CALL xrCreateInstance_(const XrInstanceCreateInfo *info, XrInstance *instance)
{
    (void)info;
    ANSWER;
    if (has_instance) return XR_ERROR_LIMIT_REACHED;
    has_instance = true;
    *instance = HANDLE(XrInstance, 0);
    return XR_SUCCESS;
}

CALL xrDestroyInstance_(XrInstance instance)
{
    (void)instance;
    has_instance = has_session = runs = attached = false;
    path_count = input_count = event_count = fail_count = 0;
    profile = 0;
    memset(gone, 0, sizeof gone);
    memset(actions, 0, sizeof actions);
    memset(spaces, 0, sizeof spaces);
    return XR_SUCCESS;
}

CALL xrGetInstanceProperties_(XrInstance instance, XrInstanceProperties *properties)
{
    (void)instance;
    ANSWER;
    properties->runtimeVersion = XR_MAKE_VERSION(0, 1, 0);
    snprintf(properties->runtimeName, sizeof properties->runtimeName, "Stand-in");
    return XR_SUCCESS;
}

CALL xrPollEvent_(XrInstance instance, XrEventDataBuffer *event)
{
    (void)instance;
    ANSWER;
    if (event_count == 0) return XR_EVENT_UNAVAILABLE;
    *event = events[event_first];
    event_first = (event_first + 1) % EVENTS;
    event_count--;
    return XR_SUCCESS;
}

CALL xrGetSystem_(XrInstance instance, const XrSystemGetInfo *get, XrSystemId *system)
{
    (void)instance;
    ANSWER;
    if (get->formFactor != XR_FORM_FACTOR_HEAD_MOUNTED_DISPLAY)
        return XR_ERROR_FORM_FACTOR_UNSUPPORTED;
    *system = 1;
    return XR_SUCCESS;
}

CALL xrStringToPath_(XrInstance instance, const char *text, XrPath *path)
{
    size_t length = strlen(text);

    (void)instance;
    ANSWER;
    if (text[0] != '/' || strstr(text, "//") || text[length - 1] == '/')
        return XR_ERROR_PATH_FORMAT_INVALID;
    *path = path_of(text);
    return *path ? XR_SUCCESS : XR_ERROR_PATH_COUNT_EXCEEDED;
}

CALL xrPathToString_(XrInstance instance, XrPath path, uint32_t room, uint32_t *count, char *text)
{
    (void)instance;
    *count = (uint32_t)strlen(text_of(path)) + 1;
    if (*count == 1) return XR_ERROR_PATH_INVALID;
    if (room && room < *count) return XR_ERROR_SIZE_INSUFFICIENT;
    if (room) memcpy(text, text_of(path), *count);
    return XR_SUCCESS;
}

CALL xrConvertTimespecTimeToTimeKHR_(XrInstance instance, const struct timespec *spec, XrTime *time)
{
    (void)instance;
    ANSWER;
    *time = (XrTime)spec->tv_sec * 1000000000 + spec->tv_nsec;
    return XR_SUCCESS;
}

CALL xrConvertTimeToTimespecTimeKHR_(XrInstance instance, XrTime time, struct timespec *spec)
{
    (void)instance;
    ANSWER;
    spec->tv_sec = time / 1000000000;
    spec->tv_nsec = time % 1000000000;
    return XR_SUCCESS;
}

CALL xrCreateSession_(XrInstance instance, const XrSessionCreateInfo *info, XrSession *session)
{
    (void)instance;
    (void)info;
    ANSWER;
    if (has_session) return XR_ERROR_LIMIT_REACHED;
    has_session = true;
    *session = HANDLE(XrSession, 0);
    go(XR_SESSION_STATE_IDLE);
    go(XR_SESSION_STATE_READY);
    return XR_SUCCESS;
}

CALL xrDestroySession_(XrSession session)
{
    (void)session;
    has_session = runs = attached = false;
    return XR_SUCCESS;
}

CALL xrBeginSession_(XrSession session, const XrSessionBeginInfo *info)
{
    (void)session;
    (void)info;
    ANSWER;
    if (runs) return XR_ERROR_SESSION_RUNNING;
    if (state != XR_SESSION_STATE_READY) return XR_ERROR_SESSION_NOT_READY;
    runs = true;
    go(XR_SESSION_STATE_SYNCHRONIZED);
    go(XR_SESSION_STATE_VISIBLE);
    go(XR_SESSION_STATE_FOCUSED);
    return XR_SUCCESS;
}

CALL xrEndSession_(XrSession session)
{
    (void)session;
    ANSWER;
    if (!runs) return XR_ERROR_SESSION_NOT_RUNNING;
    if (state != XR_SESSION_STATE_STOPPING) return XR_ERROR_SESSION_NOT_STOPPING;
    runs = false;
    go(XR_SESSION_STATE_IDLE);
    go(XR_SESSION_STATE_EXITING);
    return XR_SUCCESS;
}

/* --- spaces ----------------------------------------------------------------------------------- */

static XrResult make_space(space made, XrSpace *out)
{
    for (int i = 0; i < SPACES; i++) {
        if (spaces[i].used) continue;
        made.used = true;
        spaces[i] = made;
        *out = HANDLE(XrSpace, i);
        return XR_SUCCESS;
    }
    return XR_ERROR_LIMIT_REACHED;
}

CALL xrCreateReferenceSpace_(XrSession session, const XrReferenceSpaceCreateInfo *info,
                             XrSpace *out)
{
    space made = {.is_view = info->referenceSpaceType == XR_REFERENCE_SPACE_TYPE_VIEW,
                  .action = -1};

    (void)session;
    ANSWER;
    return make_space(made, out);
}

CALL xrCreateActionSpace_(XrSession session, const XrActionSpaceCreateInfo *info, XrSpace *out)
{
    space made = {.action = PLACE(info->action), .hand = hand_of(text_of(info->subactionPath))};

    (void)session;
    ANSWER;
    return make_space(made, out);
}

CALL xrDestroySpace_(XrSpace space)
{
    spaces[PLACE(space)].used = false;
    return XR_SUCCESS;
}

/* The binding of an action for a hand under the profile in use. */
static const binding *bound(const action *action, int hand)
{
    for (unsigned i = 0; i < action->count; i++)
        if (strcmp(text_of(action->list[i].profile), profiles[profile]) == 0 &&
            hand_of(text_of(action->list[i].source)) == hand)
            return &action->list[i];
    return NULL;
}

static const input *where(const space *at)
{
    const binding *found;

    if (at->is_view) return input_at("view", true);
    if (at->action < 0 || at->hand < 0 || gone[at->hand]) return NULL;
    found = bound(&actions[at->action], at->hand);
    return found ? input_at(text_of(found->source), true) : NULL;
}

CALL xrLocateSpace_(XrSpace space, XrSpace base, XrTime time, XrSpaceLocation *location)
{
    const input *in = where(&spaces[PLACE(space)]);
    XrSpaceVelocity *velocity = (XrSpaceVelocity *)location->next;

    (void)base;
    ANSWER;
    if (time <= 0) return XR_ERROR_TIME_INVALID;
    location->locationFlags = in && state == XR_SESSION_STATE_FOCUSED ? in->flags : 0;
    if (location->locationFlags) location->pose = in->pose;
    if (!velocity || velocity->type != XR_TYPE_SPACE_VELOCITY) return XR_SUCCESS;
    velocity->velocityFlags = location->locationFlags ? 3 : 0;
    if (in) velocity->linearVelocity = in->velocity;
    if (in) velocity->angularVelocity = in->turn;
    return XR_SUCCESS;
}

/* --- actions ---------------------------------------------------------------------------------- */

CALL xrCreateActionSet_(XrInstance instance, const XrActionSetCreateInfo *info, XrActionSet *set)
{
    (void)instance;
    (void)info;
    ANSWER;
    *set = HANDLE(XrActionSet, 0);
    return XR_SUCCESS;
}

CALL xrDestroyActionSet_(XrActionSet set)
{
    (void)set;
    memset(actions, 0, sizeof actions);
    return XR_SUCCESS;
}

CALL xrCreateAction_(XrActionSet set, const XrActionCreateInfo *info, XrAction *out)
{
    (void)set;
    ANSWER;
    if (attached) return XR_ERROR_ACTIONSETS_ALREADY_ATTACHED;
    for (int i = 0; i < ACTIONS; i++) {
        if (actions[i].used) continue;
        actions[i].used = true;
        actions[i].type = info->actionType;
        *out = HANDLE(XrAction, i);
        return XR_SUCCESS;
    }
    return XR_ERROR_LIMIT_REACHED;
}

CALL xrDestroyAction_(XrAction action)
{
    actions[PLACE(action)].used = false;
    return XR_SUCCESS;
}

/* Whether a profile has a path: real runtimes refuse what it has not. */
static bool has_path(int which, const char *path)
{
    int hand = hand_of(path);
    const char *end = hand < 0 ? "" : path + strlen(hands[hand]);

    for (int i = 0; hand >= 0 && ends[which][hand][i]; i++)
        if (strcmp(ends[which][hand][i], end) == 0) return true;
    return false;
}

CALL xrSuggestInteractionProfileBindings_(XrInstance instance,
                                          const XrInteractionProfileSuggestedBinding *all)
{
    int which = 0;

    (void)instance;
    ANSWER;
    while (which < 2 && strcmp(profiles[which], text_of(all->interactionProfile)) != 0)
        which++;
    if (which == 2) return XR_ERROR_PATH_UNSUPPORTED;
    if (attached) return XR_ERROR_ACTIONSETS_ALREADY_ATTACHED;
    for (uint32_t i = 0; i < all->countSuggestedBindings; i++)
        if (!has_path(which, text_of(all->suggestedBindings[i].binding)))
            return XR_ERROR_PATH_UNSUPPORTED;
    for (uint32_t i = 0; i < all->countSuggestedBindings; i++) {
        action *to = &actions[PLACE(all->suggestedBindings[i].action)];
        binding one = {all->interactionProfile, all->suggestedBindings[i].binding};
        if (to->count < BINDINGS) to->list[to->count++] = one;
    }
    return XR_SUCCESS;
}

CALL xrAttachSessionActionSets_(XrSession session, const XrSessionActionSetsAttachInfo *info)
{
    (void)session;
    (void)info;
    ANSWER;
    if (attached) return XR_ERROR_ACTIONSETS_ALREADY_ATTACHED;
    attached = true;
    tell_profile();
    return XR_SUCCESS;
}

CALL xrGetCurrentInteractionProfile_(XrSession session, XrPath top, XrInteractionProfileState *out)
{
    int hand = hand_of(text_of(top));

    (void)session;
    ANSWER;
    if (!attached) return XR_ERROR_ACTIONSET_NOT_ATTACHED;
    out->interactionProfile = hand >= 0 && !gone[hand] ? path_of(profiles[profile]) : XR_NULL_PATH;
    return XR_SUCCESS;
}

static void settle(action *action, int hand, bool focused)
{
    const binding *found = bound(action, hand);
    const input *in = found ? input_at(text_of(found->source), true) : NULL;
    bool active = in && focused && !gone[hand];
    float x = active ? in->x : 0.0f, y = active ? in->y : 0.0f;

    action->of[hand].changed =
        active && action->of[hand].active && (x != action->of[hand].x || y != action->of[hand].y);
    if (action->of[hand].changed || active != action->of[hand].active)
        action->of[hand].when = now();
    action->of[hand].active = active;
    action->of[hand].x = x;
    action->of[hand].y = y;
}

CALL xrSyncActions_(XrSession session, const XrActionsSyncInfo *info)
{
    bool focused = state == XR_SESSION_STATE_FOCUSED;

    (void)session;
    (void)info;
    ANSWER;
    if (!attached) return XR_ERROR_ACTIONSET_NOT_ATTACHED;
    for (int i = 0; i < ACTIONS; i++)
        for (int h = 0; actions[i].used && h < 2; h++)
            settle(&actions[i], h, focused);
    return focused ? XR_SUCCESS : XR_SESSION_NOT_FOCUSED;
}

#define GET(name, facts, kind, assign)                                                             \
    CALL name(XrSession session, const XrActionStateGetInfo *get, facts *out)                      \
    {                                                                                              \
        action *of = &actions[PLACE(get->action)];                                                 \
        int hand = hand_of(text_of(get->subactionPath));                                           \
        (void)session;                                                                             \
        ANSWER;                                                                                    \
        if (!attached) return XR_ERROR_ACTIONSET_NOT_ATTACHED;                                     \
        if (of->type != (kind)) return XR_ERROR_ACTION_TYPE_MISMATCH;                              \
        if (hand < 0) return XR_ERROR_PATH_UNSUPPORTED;                                            \
        out->isActive = of->of[hand].active;                                                       \
        out->changedSinceLastSync = of->of[hand].changed;                                          \
        out->lastChangeTime = of->of[hand].active ? of->of[hand].when : 0;                         \
        assign;                                                                                    \
        return XR_SUCCESS;                                                                         \
    }
GET(xrGetActionStateBoolean_, XrActionStateBoolean, XR_ACTION_TYPE_BOOLEAN_INPUT,
    out->currentState = of->of[hand].x > 0.5f)
GET(xrGetActionStateFloat_, XrActionStateFloat, XR_ACTION_TYPE_FLOAT_INPUT,
    out->currentState = of->of[hand].x)
GET(xrGetActionStateVector2f_, XrActionStateVector2f, XR_ACTION_TYPE_VECTOR2F_INPUT,
    out->currentState = ((XrVector2f){of->of[hand].x, of->of[hand].y}))

CALL xrApplyHapticFeedback_(XrSession session, const XrHapticActionInfo *info,
                            const XrHapticBaseHeader *feedback)
{
    const XrHapticVibration *shake = (const XrHapticVibration *)(const void *)feedback;
    int hand = hand_of(text_of(info->subactionPath));

    (void)session;
    ANSWER;
    if (hand < 0) return XR_ERROR_PATH_UNSUPPORTED;
    shakes[hand].count++;
    shakes[hand].amplitude = shake->amplitude;
    shakes[hand].nanoseconds = shake->duration;
    return XR_SUCCESS;
}

CALL xrStopHapticFeedback_(XrSession session, const XrHapticActionInfo *info)
{
    int hand = hand_of(text_of(info->subactionPath));

    (void)session;
    ANSWER;
    if (hand < 0) return XR_ERROR_PATH_UNSUPPORTED;
    shakes[hand].stops++;
    return XR_SUCCESS;
}

/* --- what the loader asks for ----------------------------------------------------------------- */

CALL get_proc(XrInstance instance, const char *name, PFN_xrVoidFunction *out);

#define ROW(name)                                                                                  \
    {                                                                                              \
#name, (PFN_xrVoidFunction)name##_                                                         \
    }
static const struct {
    const char *name;
    PFN_xrVoidFunction function;
} table[] = {ROW(xrEnumerateInstanceExtensionProperties),
             ROW(xrCreateInstance),
             ROW(xrDestroyInstance),
             ROW(xrGetInstanceProperties),
             ROW(xrPollEvent),
             ROW(xrGetSystem),
             ROW(xrStringToPath),
             ROW(xrPathToString),
             ROW(xrConvertTimespecTimeToTimeKHR),
             ROW(xrConvertTimeToTimespecTimeKHR),
             ROW(xrCreateSession),
             ROW(xrDestroySession),
             ROW(xrBeginSession),
             ROW(xrEndSession),
             ROW(xrCreateReferenceSpace),
             ROW(xrCreateActionSpace),
             ROW(xrDestroySpace),
             ROW(xrLocateSpace),
             ROW(xrCreateActionSet),
             ROW(xrDestroyActionSet),
             ROW(xrCreateAction),
             ROW(xrDestroyAction),
             ROW(xrSuggestInteractionProfileBindings),
             ROW(xrAttachSessionActionSets),
             ROW(xrGetCurrentInteractionProfile),
             ROW(xrSyncActions),
             ROW(xrGetActionStateBoolean),
             ROW(xrGetActionStateFloat),
             ROW(xrGetActionStateVector2f),
             ROW(xrApplyHapticFeedback),
             ROW(xrStopHapticFeedback),
             {"xrGetInstanceProcAddr", (PFN_xrVoidFunction)get_proc}};

CALL get_proc(XrInstance instance, const char *name, PFN_xrVoidFunction *out)
{
    (void)instance;
    *out = NULL;
    for (size_t i = 0; i < COUNT(table) && !*out; i++)
        if (strcmp(table[i].name, name) == 0) *out = table[i].function;
    return *out ? XR_SUCCESS : XR_ERROR_FUNCTION_UNSUPPORTED;
}

EXPORT XrResult XRAPI_CALL xrNegotiateLoaderRuntimeInterface(const loader_info *loader,
                                                             runtime_request *request);
EXPORT XrResult XRAPI_CALL xrNegotiateLoaderRuntimeInterface(const loader_info *loader,
                                                             runtime_request *request)
{
    if (!loader || !request || loader->min_interface > 1) return XR_ERROR_INITIALIZATION_FAILED;
    request->interface = 1;
    request->api = XR_CURRENT_API_VERSION;
    request->get = get_proc;
    return XR_SUCCESS;
}
