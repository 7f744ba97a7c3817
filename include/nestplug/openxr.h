/* The openxr port: hands and a headset through the OpenXR standard (1.0) and whatever runtime is
 * installed.  A library of its own, nestplug::openxr, which needs the standard's loader. */
#ifndef NESTPLUG_OPENXR_H
#define NESTPLUG_OPENXR_H

#include "port.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The inputs that the port knows.  Their numbers are their signals' codes in NPLUG_SPACE_OPENXR, as
 * sheets name them ("trigger/value"). */
typedef enum nplug_openxr_input {
    NPLUG_OPENXR_SELECT = 1,        /* a press: a hand that has no trigger */
    NPLUG_OPENXR_MENU = 3,          /* likewise */
    NPLUG_OPENXR_SQUEEZE = 4,       /* [0, 1] */
    NPLUG_OPENXR_SQUEEZE_TOUCH = 5, /* on or off, as the following that end in _TOUCH and _NEAR */
    NPLUG_OPENXR_TRIGGER = 6,       /* [0, 1] */
    NPLUG_OPENXR_TRIGGER_TOUCH = 7,
    NPLUG_OPENXR_TRIGGER_NEAR = 8,
    NPLUG_OPENXR_THUMBSTICK = 9, /* two numbers in [-1, 1]; y has the next code */
    NPLUG_OPENXR_THUMBSTICK_CLICK = 11,
    NPLUG_OPENXR_THUMBSTICK_TOUCH = 12,
    NPLUG_OPENXR_THUMBREST_TOUCH = 13,
    NPLUG_OPENXR_THUMBREST_NEAR = 14,
    NPLUG_OPENXR_LOWER = 15, /* the face button nearer to the person */
    NPLUG_OPENXR_LOWER_TOUCH = 16,
    NPLUG_OPENXR_UPPER = 17, /* the one further away */
    NPLUG_OPENXR_UPPER_TOUCH = 18,
    NPLUG_OPENXR_GRIP = 24,   /* a pose */
    NPLUG_OPENXR_AIM = 31,    /* likewise */
    NPLUG_OPENXR_HAPTIC = 100 /* an output: it shakes */
} nplug_openxr_input;

/* Which path of a profile is which input: "/user/hand/left/input/trigger/value".  The path says of
 * which hand. */
typedef struct nplug_openxr_binding {
    uint32_t input; /* an nplug_openxr_input */
    const char *path;
} nplug_openxr_binding;

/* What a sort of controller has, as an interaction profile: OpenXR 1.0, section 6.4. */
typedef struct nplug_openxr_profile {
    const char *path; /* "/interaction_profiles/khr/simple_controller" */
    const nplug_openxr_binding *bindings;
    uint32_t count;
    uint32_t reserved; /* 0 */
} nplug_openxr_profile;

/* How the port is to run. */
typedef struct nplug_openxr_setup {
    uint32_t size; /* sizeof(nplug_openxr_setup) */
    uint32_t profile_count;
    const char *application;              /* its name, for the runtime: at most 127 bytes */
    const nplug_openxr_profile *profiles; /* beside the vendor-neutral ones that are built in: the
                                             caller's, until the port is detached */
    uint64_t instance; /* the game's own XrInstance and XrSession, as numbers; both 0: the port
                          makes a session without graphics (XR_MND_headless) and polls its events */
    uint64_t session;
} nplug_openxr_setup;

/* A session of the port's own, and the built-in profiles. */
static inline nplug_openxr_setup nplug_openxr_setup_default(void)
{
    nplug_openxr_setup setup = {(uint32_t)sizeof(nplug_openxr_setup), 0, "game", NULL, 0, 0};
    return setup;
}

/* How the port stands with its runtime. */
typedef enum nplug_openxr_state {
    NPLUG_OPENXR_OFF = 0,         /* it was not attached yet, or was detached */
    NPLUG_OPENXR_NO_RUNTIME = 1,  /* none is installed, or none answers */
    NPLUG_OPENXR_NO_HEADLESS = 2, /* it makes no session without graphics: hand over the game's */
    NPLUG_OPENXR_NO_HEADSET = 3,  /* it has none connected; attach again later */
    NPLUG_OPENXR_FAILED = 4,      /* some other call failed: `result` says how */
    NPLUG_OPENXR_WAITING = 5,     /* there is a session, which does not run yet */
    NPLUG_OPENXR_ASLEEP = 6,      /* the session has no focus: the headset is off, or something lies
                                     over the game */
    NPLUG_OPENXR_RUNNING = 7,
    NPLUG_OPENXR_LOST = 8 /* the runtime took the session away: all devices have gone; detach, and
                             attach again */
} nplug_openxr_state;

typedef struct nplug_openxr_facts {
    uint32_t size;     /* sizeof(nplug_openxr_facts), set by the caller */
    uint32_t state;    /* an nplug_openxr_state */
    int32_t result;    /* the XrResult of the call that failed last; 0: none did */
    uint32_t failures; /* how many calls failed */
    char call[48];     /* which one that was ("xrCreateSession"); "" for none */
    char runtime[64];  /* the runtime's own name; "" where there is none */
} nplug_openxr_facts;

/* The port's state. */
typedef struct nplug_openxr nplug_openxr;

/* Bytes that a port needs. */
NPLUG_API size_t nplug_openxr_memory_needed(void);

/* Opens a port in the caller's block (aligned as malloc's); the runtime is not asked before the
 * port is attached.  NULL: the block is too small or NULL, or the setup is impossible (a profile
 * without a path, an input that is none, a path of no hand, an instance without a session). */
NPLUG_API nplug_openxr *nplug_openxr_open(const nplug_openxr_setup *setup, void *block,
                                          size_t size);

/* Attaches it to one nest; the block stays the caller's until it is detached or the nest closes.
 * NPLUG_ERR_FILE: there is nothing to attach to, and nplug_openxr_info says why; nothing else of
 * the game is touched by that.  Else as nplug_attach. */
NPLUG_API nplug_result nplug_openxr_attach(nplug_openxr *port, nplug_nest *nest);

/* Its table of functions, for whoever puts a port of their own in front of it. */
NPLUG_API const nplug_port *nplug_openxr_port(void);

/* An event that the game polled from its own instance (an XrEventDataBuffer): where the session is
 * the game's, the port must hear of its states and profiles. NPLUG_ERR_ARGUMENT. */
NPLUG_API nplug_result nplug_openxr_hear(nplug_openxr *port, const void *event);

/* The game's next frame is to be shown at this XrTime: poses are found for then, until the next
 * call.  0 (as at first): for the time of the step. */
NPLUG_API nplug_result nplug_openxr_predict(nplug_openxr *port, int64_t time);

/* Fills *facts.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_openxr_info(const nplug_openxr *port, nplug_openxr_facts *facts);

/* The word for a number of an nplug_openxr_state: static, never NULL; "unknown" for a number that
 * is none. */
NPLUG_API const char *nplug_openxr_state_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
