/* The openxr port's parts: session.c speaks with the runtime, openxr.c with the nest. */
#ifndef OX_SESSION_H
#define OX_SESSION_H

#include "nestplug/openxr.h"
#include <time.h>
#define XR_USE_TIMESPEC
#include <openxr/openxr.h>
#include <openxr/openxr_platform.h>

enum { OX_LEFT, OX_RIGHT, OX_HANDS };
enum { OX_GRIP, OX_AIM, OX_POSES };

/* What an input is to the runtime. */
typedef struct ox_input {
    uint32_t input; /* an nplug_openxr_input */
    XrActionType type;
    const char *name; /* of its action */
} ox_input;
#define OX_INPUTS 19
extern const ox_input ox_inputs[OX_INPUTS];

/* The place of an input in that list; OX_INPUTS for none. */
unsigned ox_input_at(uint32_t input);

/* All that is the runtime's. */
typedef struct ox_session {
    nplug_openxr_setup setup;
    nplug_openxr_facts facts;
    bool own, running, lost;
    bool stale[OX_HANDS]; /* whether it is here is to be asked again */
    XrInstance instance;
    XrSession session;
    XrActionSet set;
    XrAction actions[OX_INPUTS];
    XrPath hands[OX_HANDS];
    XrSpace base, view, poses[OX_HANDS][OX_POSES];
    PFN_xrConvertTimespecTimeToTimeKHR to_time;
    PFN_xrConvertTimeToTimespecTimeKHR from_time;
    XrTime predicted;
} ox_session;

/* One input of a hand as it is: up to two numbers. */
typedef struct ox_value {
    bool active;
    float x, y;
    nplug_time time; /* when it changed, on the ports' clock; 0 where nobody tells */
} ox_value;

/* Where something is. */
typedef struct ox_location {
    uint32_t tracking; /* XrSpaceLocationFlags */
    XrPosef pose;
    XrVector3f velocity, turn_rate;
} ox_location;

/* Makes all that is needed; false, and `facts` say why. */
bool ox_begin(ox_session *session);
void ox_end(ox_session *session);

/* Polls events, where the session is the port's; an event of the game's. */
void ox_poll(ox_session *session);
void ox_hear(ox_session *session, const XrEventDataBuffer *event);

/* Brings all inputs up to now. */
void ox_sync(ox_session *session);

/* Whether a hand is connected. */
bool ox_is_here(ox_session *session, unsigned hand);

ox_value ox_read(ox_session *session, unsigned hand, unsigned place);
ox_location ox_locate(ox_session *session, XrSpace space, nplug_time now);

/* A hand shakes that strongly, in [0, 1], for so long; 0 stops it. */
void ox_shake(ox_session *session, unsigned hand, float amplitude, uint32_t milliseconds);

#endif
