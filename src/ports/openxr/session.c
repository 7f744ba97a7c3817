/* The openxr port's side of the runtime: a session, an action for each input, spaces for poses. */
#include "session.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define COUNT(list) (sizeof(list) / sizeof *(list))
#define BOOL        XR_ACTION_TYPE_BOOLEAN_INPUT
#define FLOAT       XR_ACTION_TYPE_FLOAT_INPUT
#define POSE        XR_ACTION_TYPE_POSE_INPUT

const ox_input ox_inputs[OX_INPUTS] = {
    {NPLUG_OPENXR_SELECT, BOOL, "select"},
    {NPLUG_OPENXR_MENU, BOOL, "menu"},
    {NPLUG_OPENXR_SQUEEZE, FLOAT, "squeeze"},
    {NPLUG_OPENXR_SQUEEZE_TOUCH, BOOL, "squeeze_touch"},
    {NPLUG_OPENXR_TRIGGER, FLOAT, "trigger"},
    {NPLUG_OPENXR_TRIGGER_TOUCH, BOOL, "trigger_touch"},
    {NPLUG_OPENXR_TRIGGER_NEAR, BOOL, "trigger_near"},
    {NPLUG_OPENXR_THUMBSTICK, XR_ACTION_TYPE_VECTOR2F_INPUT, "thumbstick"},
    {NPLUG_OPENXR_THUMBSTICK_CLICK, BOOL, "thumbstick_click"},
    {NPLUG_OPENXR_THUMBSTICK_TOUCH, BOOL, "thumbstick_touch"},
    {NPLUG_OPENXR_THUMBREST_TOUCH, BOOL, "thumbrest_touch"},
    {NPLUG_OPENXR_THUMBREST_NEAR, BOOL, "thumbrest_near"},
    {NPLUG_OPENXR_LOWER, BOOL, "lower"},
    {NPLUG_OPENXR_LOWER_TOUCH, BOOL, "lower_touch"},
    {NPLUG_OPENXR_UPPER, BOOL, "upper"},
    {NPLUG_OPENXR_UPPER_TOUCH, BOOL, "upper_touch"},
    {NPLUG_OPENXR_GRIP, POSE, "grip"},
    {NPLUG_OPENXR_AIM, POSE, "aim"},
    {NPLUG_OPENXR_HAPTIC, XR_ACTION_TYPE_VIBRATION_OUTPUT, "shake"},
};
static const uint32_t pose_inputs[OX_POSES] = {NPLUG_OPENXR_GRIP, NPLUG_OPENXR_AIM};

/* The profile that every runtime knows (OpenXR 1.0, section 6.4.1). */
static const nplug_openxr_binding simple[] = {
    {NPLUG_OPENXR_SELECT, "/user/hand/left/input/select/click"},
    {NPLUG_OPENXR_SELECT, "/user/hand/right/input/select/click"},
    {NPLUG_OPENXR_MENU, "/user/hand/left/input/menu/click"},
    {NPLUG_OPENXR_MENU, "/user/hand/right/input/menu/click"},
    {NPLUG_OPENXR_GRIP, "/user/hand/left/input/grip/pose"},
    {NPLUG_OPENXR_GRIP, "/user/hand/right/input/grip/pose"},
    {NPLUG_OPENXR_AIM, "/user/hand/left/input/aim/pose"},
    {NPLUG_OPENXR_AIM, "/user/hand/right/input/aim/pose"},
    {NPLUG_OPENXR_HAPTIC, "/user/hand/left/output/haptic"},
    {NPLUG_OPENXR_HAPTIC, "/user/hand/right/output/haptic"},
};
static const nplug_openxr_profile builtin[] = {
    {"/interaction_profiles/khr/simple_controller", simple, COUNT(simple), 0}};

#define PROFILE_MOST 64 /* bindings of one profile */

unsigned ox_input_at(uint32_t input)
{
    unsigned at = 0;

    while (at < OX_INPUTS && ox_inputs[at].input != input)
        at++;
    return at;
}

/* --- what may fail ---------------------------------------------------------------------------- */

/* Whether a call did what it was for; a session that is lost is over. */
static bool did(ox_session *session, XrResult result, const char *call)
{
    if (XR_SUCCEEDED(result)) return true;
    session->facts.result = result;
    session->facts.failures++;
    snprintf(session->facts.call, sizeof session->facts.call, "%s", call);
    if (result == XR_ERROR_SESSION_LOST || result == XR_ERROR_INSTANCE_LOST ||
        result == XR_ERROR_RUNTIME_FAILURE)
        session->lost = true;
    return false;
}

static bool fails(ox_session *session, nplug_openxr_state state)
{
    session->facts.state = state;
    return false;
}

/* --- beginning -------------------------------------------------------------------------------- */

static bool has_extension(const char *name)
{
    XrExtensionProperties list[64];
    uint32_t count = 0;

    for (uint32_t i = 0; i < COUNT(list); i++)
        list[i] = (XrExtensionProperties){.type = XR_TYPE_EXTENSION_PROPERTIES};
    if (XR_FAILED(xrEnumerateInstanceExtensionProperties(NULL, 0, &count, NULL))) return false;
    if (count > COUNT(list)) count = COUNT(list);
    if (XR_FAILED(xrEnumerateInstanceExtensionProperties(NULL, count, &count, list))) return false;
    for (uint32_t i = 0; i < count; i++)
        if (strcmp(list[i].extensionName, name) == 0) return true;
    return false;
}

/* The loader writes to standard error where there is no runtime; the answer is enough. */
static bool has_runtime(ox_session *session)
{
    uint32_t count;

    setenv("XR_LOADER_DEBUG", "none", 0);
    return did(session, xrEnumerateInstanceExtensionProperties(NULL, 0, &count, NULL),
               "xrEnumerateInstanceExtensionProperties");
}

static bool make_instance(ox_session *session)
{
    const char *wanted[2] = {XR_MND_HEADLESS_EXTENSION_NAME,
                             XR_KHR_CONVERT_TIMESPEC_TIME_EXTENSION_NAME};
    XrInstanceCreateInfo info = {.type = XR_TYPE_INSTANCE_CREATE_INFO};
    bool times = has_extension(wanted[1]);

    if (!has_extension(wanted[0])) return fails(session, NPLUG_OPENXR_NO_HEADLESS);
    snprintf(info.applicationInfo.applicationName, sizeof info.applicationInfo.applicationName,
             "%s", session->setup.application);
    info.applicationInfo.apiVersion = XR_MAKE_VERSION(1, 0, 0);
    info.enabledExtensionCount = times ? 2 : 1;
    info.enabledExtensionNames = wanted;
    if (!did(session, xrCreateInstance(&info, &session->instance), "xrCreateInstance"))
        return fails(session, NPLUG_OPENXR_NO_RUNTIME);
    return true;
}

static bool make_session(ox_session *session)
{
    XrSystemGetInfo get = {.type = XR_TYPE_SYSTEM_GET_INFO,
                           .formFactor = XR_FORM_FACTOR_HEAD_MOUNTED_DISPLAY};
    XrSessionCreateInfo create = {.type = XR_TYPE_SESSION_CREATE_INFO};

    if (!did(session, xrGetSystem(session->instance, &get, &create.systemId), "xrGetSystem"))
        return fails(session, NPLUG_OPENXR_NO_HEADSET);
    if (!did(session, xrCreateSession(session->instance, &create, &session->session),
             "xrCreateSession"))
        return fails(session, NPLUG_OPENXR_FAILED);
    return true;
}

/* Functions of an extension that the instance may not have. */
static void find_times(ox_session *session)
{
    PFN_xrVoidFunction to = NULL, from = NULL;

    if (XR_FAILED(
            xrGetInstanceProcAddr(session->instance, "xrConvertTimespecTimeToTimeKHR", &to)) ||
        XR_FAILED(
            xrGetInstanceProcAddr(session->instance, "xrConvertTimeToTimespecTimeKHR", &from)))
        return;
    session->to_time = (PFN_xrConvertTimespecTimeToTimeKHR)to;
    session->from_time = (PFN_xrConvertTimeToTimespecTimeKHR)from;
}

static void find_name(ox_session *session)
{
    XrInstanceProperties properties = {.type = XR_TYPE_INSTANCE_PROPERTIES};

    if (did(session, xrGetInstanceProperties(session->instance, &properties),
            "xrGetInstanceProperties"))
        snprintf(session->facts.runtime, sizeof session->facts.runtime, "%.63s",
                 properties.runtimeName);
}

static bool make_path(ox_session *session, const char *text, XrPath *path)
{
    return did(session, xrStringToPath(session->instance, text, path), "xrStringToPath");
}

static bool make_actions(ox_session *session)
{
    XrActionSetCreateInfo set = {.type = XR_TYPE_ACTION_SET_CREATE_INFO};
    bool good = make_path(session, "/user/hand/left", &session->hands[OX_LEFT]) &&
                make_path(session, "/user/hand/right", &session->hands[OX_RIGHT]);

    snprintf(set.actionSetName, sizeof set.actionSetName, "nestplug");
    snprintf(set.localizedActionSetName, sizeof set.localizedActionSetName, "All inputs");
    good = good && did(session, xrCreateActionSet(session->instance, &set, &session->set),
                       "xrCreateActionSet");
    for (unsigned i = 0; good && i < OX_INPUTS; i++) {
        XrActionCreateInfo action = {.type = XR_TYPE_ACTION_CREATE_INFO,
                                     .actionType = ox_inputs[i].type,
                                     .countSubactionPaths = OX_HANDS,
                                     .subactionPaths = session->hands};
        snprintf(action.actionName, sizeof action.actionName, "%s", ox_inputs[i].name);
        snprintf(action.localizedActionName, sizeof action.localizedActionName, "%s",
                 ox_inputs[i].name);
        good = did(session, xrCreateAction(session->set, &action, &session->actions[i]),
                   "xrCreateAction");
    }
    return good || fails(session, NPLUG_OPENXR_FAILED);
}

/* A profile that the runtime does not know, or a path that the profile has not, is passed over. */
static void suggest(ox_session *session, const nplug_openxr_profile *profile)
{
    XrActionSuggestedBinding list[PROFILE_MOST];
    XrInteractionProfileSuggestedBinding all = {
        .type = XR_TYPE_INTERACTION_PROFILE_SUGGESTED_BINDING, .suggestedBindings = list};

    if (!make_path(session, profile->path, &all.interactionProfile)) return;
    for (uint32_t i = 0; i < profile->count && all.countSuggestedBindings < PROFILE_MOST; i++) {
        XrActionSuggestedBinding *one = &list[all.countSuggestedBindings];
        one->action = session->actions[ox_input_at(profile->bindings[i].input)];
        if (make_path(session, profile->bindings[i].path, &one->binding))
            all.countSuggestedBindings++;
    }
    did(session, xrSuggestInteractionProfileBindings(session->instance, &all),
        "xrSuggestInteractionProfileBindings");
}

/* A session that is about to be lost may succeed in making nothing. */
static bool made(ox_session *session, XrResult result, XrSpace space, const char *call)
{
    if (XR_SUCCEEDED(result) && space == XR_NULL_HANDLE) result = XR_ERROR_SESSION_LOST;
    return did(session, result, call);
}

static bool make_space(ox_session *session, XrReferenceSpaceType type, XrSpace *space)
{
    XrReferenceSpaceCreateInfo info = {.type = XR_TYPE_REFERENCE_SPACE_CREATE_INFO,
                                       .referenceSpaceType = type,
                                       .poseInReferenceSpace.orientation.w = 1.0f};
    XrResult result = xrCreateReferenceSpace(session->session, &info, space);

    return made(session, result, *space, "xrCreateReferenceSpace");
}

static bool make_pose(ox_session *session, unsigned hand, unsigned pose)
{
    XrSpace *space = &session->poses[hand][pose];
    XrActionSpaceCreateInfo info = {.type = XR_TYPE_ACTION_SPACE_CREATE_INFO,
                                    .action = session->actions[ox_input_at(pose_inputs[pose])],
                                    .subactionPath = session->hands[hand],
                                    .poseInActionSpace.orientation.w = 1.0f};
    XrResult result = xrCreateActionSpace(session->session, &info, space);

    return made(session, result, *space, "xrCreateActionSpace");
}

static bool make_spaces(ox_session *session)
{
    bool good = make_space(session, XR_REFERENCE_SPACE_TYPE_LOCAL, &session->base) &&
                make_space(session, XR_REFERENCE_SPACE_TYPE_VIEW, &session->view);

    for (unsigned i = 0; good && i < OX_HANDS * OX_POSES; i++)
        good = make_pose(session, i / OX_POSES, i % OX_POSES);
    return good || fails(session, NPLUG_OPENXR_FAILED);
}

static bool attach_set(ox_session *session)
{
    XrSessionActionSetsAttachInfo attach = {.type = XR_TYPE_SESSION_ACTION_SETS_ATTACH_INFO,
                                            .countActionSets = 1,
                                            .actionSets = &session->set};

    for (size_t i = 0; i < COUNT(builtin); i++)
        suggest(session, &builtin[i]);
    for (uint32_t i = 0; i < session->setup.profile_count; i++)
        suggest(session, &session->setup.profiles[i]);
    return did(session, xrAttachSessionActionSets(session->session, &attach),
               "xrAttachSessionActionSets") ||
           fails(session, NPLUG_OPENXR_FAILED);
}

/* A session of the game's runs already, or its events will say so. */
static bool take_session(ox_session *session)
{
    session->instance = (XrInstance)(uintptr_t)session->setup.instance;
    session->session = (XrSession)(uintptr_t)session->setup.session;
    session->running = true;
    return true;
}

bool ox_begin(ox_session *session)
{
    bool good;

    session->own = session->setup.instance == 0;
    if (!has_runtime(session)) return fails(session, NPLUG_OPENXR_NO_RUNTIME);
    good = session->own ? make_instance(session) && make_session(session) : take_session(session);
    if (good) find_times(session);
    if (good) find_name(session);
    good = good && make_actions(session) && attach_set(session) && make_spaces(session);
    session->stale[OX_LEFT] = session->stale[OX_RIGHT] = true;
    if (good) session->facts.state = NPLUG_OPENXR_WAITING;
    if (!good) ox_end(session);
    return good;
}

void ox_end(ox_session *session)
{
    nplug_openxr_facts facts = session->facts;
    nplug_openxr_setup setup = session->setup;

    if (session->set) xrDestroyActionSet(session->set);
    if (session->own && session->session) xrDestroySession(session->session);
    if (session->own && session->instance) xrDestroyInstance(session->instance);
    memset(session, 0, sizeof *session);
    session->facts = facts;
    session->setup = setup;
}

/* --- events ----------------------------------------------------------------------------------- */

static void begin_running(ox_session *session)
{
    XrSessionBeginInfo begin = {.type = XR_TYPE_SESSION_BEGIN_INFO,
                                .primaryViewConfigurationType =
                                    XR_VIEW_CONFIGURATION_TYPE_PRIMARY_STEREO};

    session->running = did(session, xrBeginSession(session->session, &begin), "xrBeginSession");
}

/* Where the session is the game's, the game begins and ends it. */
static void change_state(ox_session *session, XrSessionState state)
{
    if (state == XR_SESSION_STATE_READY && session->own) begin_running(session);
    if (state == XR_SESSION_STATE_STOPPING) {
        if (session->own) did(session, xrEndSession(session->session), "xrEndSession");
        session->running = false;
    }
    if (state == XR_SESSION_STATE_SYNCHRONIZED && !session->own) session->running = true;
    if (state == XR_SESSION_STATE_EXITING || state == XR_SESSION_STATE_LOSS_PENDING)
        session->lost = true;
}

void ox_hear(ox_session *session, const XrEventDataBuffer *event)
{
    if (event->type == XR_TYPE_EVENT_DATA_SESSION_STATE_CHANGED)
        change_state(session, ((const XrEventDataSessionStateChanged *)(const void *)event)->state);
    if (event->type == XR_TYPE_EVENT_DATA_INTERACTION_PROFILE_CHANGED)
        session->stale[OX_LEFT] = session->stale[OX_RIGHT] = true;
    if (event->type == XR_TYPE_EVENT_DATA_INSTANCE_LOSS_PENDING) session->lost = true;
}

void ox_poll(ox_session *session)
{
    XrResult result = XR_SUCCESS;

    while (session->own && !session->lost && result == XR_SUCCESS) {
        XrEventDataBuffer event = {.type = XR_TYPE_EVENT_DATA_BUFFER};
        result = xrPollEvent(session->instance, &event);
        if (result == XR_SUCCESS) ox_hear(session, &event);
        did(session, result, "xrPollEvent");
    }
}

/* --- inputs ----------------------------------------------------------------------------------- */

void ox_sync(ox_session *session)
{
    XrActiveActionSet active = {.actionSet = session->set};
    XrActionsSyncInfo sync = {
        .type = XR_TYPE_ACTIONS_SYNC_INFO, .countActiveActionSets = 1, .activeActionSets = &active};
    XrResult result = xrSyncActions(session->session, &sync);

    if (result == XR_SESSION_NOT_FOCUSED || !did(session, result, "xrSyncActions"))
        session->facts.state = NPLUG_OPENXR_ASLEEP;
    else
        session->facts.state = NPLUG_OPENXR_RUNNING;
}

bool ox_is_here(ox_session *session, unsigned hand)
{
    XrInteractionProfileState profile = {.type = XR_TYPE_INTERACTION_PROFILE_STATE};

    session->stale[hand] = false;
    return did(session,
               xrGetCurrentInteractionProfile(session->session, session->hands[hand], &profile),
               "xrGetCurrentInteractionProfile") &&
           profile.interactionProfile != XR_NULL_PATH;
}

/* A time of the runtime's on the ports' clock; 0 where nobody knows. */
static nplug_time as_time(const ox_session *session, XrTime time)
{
    struct timespec spec;

    if (!session->from_time || time <= 0 ||
        XR_FAILED(session->from_time(session->instance, time, &spec)) || spec.tv_sec < 0)
        return 0;
    return (nplug_time)spec.tv_sec * 1000000u + (nplug_time)spec.tv_nsec / 1000u;
}

static ox_value read_bool(ox_session *session, const XrActionStateGetInfo *get)
{
    XrActionStateBoolean state = {.type = XR_TYPE_ACTION_STATE_BOOLEAN};
    ox_value value = {0};

    if (!did(session, xrGetActionStateBoolean(session->session, get, &state),
             "xrGetActionStateBoolean"))
        return value;
    value.active = state.isActive;
    value.x = state.currentState ? 1.0f : 0.0f;
    value.time = as_time(session, state.lastChangeTime);
    return value;
}

static ox_value read_float(ox_session *session, const XrActionStateGetInfo *get)
{
    XrActionStateFloat state = {.type = XR_TYPE_ACTION_STATE_FLOAT};
    ox_value value = {0};

    if (!did(session, xrGetActionStateFloat(session->session, get, &state),
             "xrGetActionStateFloat"))
        return value;
    value.active = state.isActive;
    value.x = state.currentState;
    value.time = as_time(session, state.lastChangeTime);
    return value;
}

static ox_value read_vector(ox_session *session, const XrActionStateGetInfo *get)
{
    XrActionStateVector2f state = {.type = XR_TYPE_ACTION_STATE_VECTOR2F};
    ox_value value = {0};

    if (!did(session, xrGetActionStateVector2f(session->session, get, &state),
             "xrGetActionStateVector2f"))
        return value;
    value.active = state.isActive;
    value.x = state.currentState.x;
    value.y = state.currentState.y;
    value.time = as_time(session, state.lastChangeTime);
    return value;
}

ox_value ox_read(ox_session *session, unsigned hand, unsigned place)
{
    XrActionStateGetInfo get = {.type = XR_TYPE_ACTION_STATE_GET_INFO,
                                .action = session->actions[place],
                                .subactionPath = session->hands[hand]};
    ox_value none = {0};

    switch (ox_inputs[place].type) {
    case XR_ACTION_TYPE_BOOLEAN_INPUT:
        return read_bool(session, &get);
    case XR_ACTION_TYPE_FLOAT_INPUT:
        return read_float(session, &get);
    case XR_ACTION_TYPE_VECTOR2F_INPUT:
        return read_vector(session, &get);
    default:
        return none;
    }
}

static XrTime time_for(const ox_session *session, nplug_time now)
{
    struct timespec spec = {(time_t)(now / 1000000u), (long)(now % 1000000u) * 1000};
    XrTime time = 0;

    if (session->predicted) return session->predicted;
    if (session->to_time) session->to_time(session->instance, &spec, &time);
    return time > 0 ? time : (XrTime)now * 1000;
}

ox_location ox_locate(ox_session *session, XrSpace space, nplug_time now)
{
    XrSpaceVelocity velocity = {.type = XR_TYPE_SPACE_VELOCITY};
    XrSpaceLocation location = {.type = XR_TYPE_SPACE_LOCATION, .next = &velocity};
    ox_location found = {0};

    if (!did(session, xrLocateSpace(space, session->base, time_for(session, now), &location),
             "xrLocateSpace"))
        return found;
    found.tracking = (uint32_t)(location.locationFlags & 15u);
    found.pose = location.pose;
    if (velocity.velocityFlags & XR_SPACE_VELOCITY_LINEAR_VALID_BIT)
        found.velocity = velocity.linearVelocity;
    if (velocity.velocityFlags & XR_SPACE_VELOCITY_ANGULAR_VALID_BIT)
        found.turn_rate = velocity.angularVelocity;
    return found;
}

void ox_shake(ox_session *session, unsigned hand, float amplitude, uint32_t milliseconds)
{
    XrHapticActionInfo info = {.type = XR_TYPE_HAPTIC_ACTION_INFO,
                               .action = session->actions[ox_input_at(NPLUG_OPENXR_HAPTIC)],
                               .subactionPath = session->hands[hand]};
    XrHapticVibration shake = {.type = XR_TYPE_HAPTIC_VIBRATION,
                               .duration = (XrDuration)milliseconds * 1000000,
                               .frequency = XR_FREQUENCY_UNSPECIFIED,
                               .amplitude = amplitude};

    if (amplitude > 0.0f && milliseconds)
        did(session,
            xrApplyHapticFeedback(session->session, &info,
                                  (const XrHapticBaseHeader *)(const void *)&shake),
            "xrApplyHapticFeedback");
    else
        did(session, xrStopHapticFeedback(session->session, &info), "xrStopHapticFeedback");
}
