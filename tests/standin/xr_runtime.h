/* A stand-in for an OpenXR runtime, which the standard's own loader loads.  Tests speak to it by
 * functions that it exports. */
#ifndef STANDIN_XR_RUNTIME_H
#define STANDIN_XR_RUNTIME_H

#include <stdint.h>

/* What happens there:
 *   state FOCUSED                  the session's state (as OpenXR names them)
 *   set PATH X [Y]                 an input is there
 *   pose PATH X Y Z QX QY QZ QW    a pose ("/user/hand/left/input/grip/pose", "view")
 *   velocity PATH X Y Z WX WY WZ   how fast it moves and turns
 *   flags PATH N                   XrSpaceLocationFlags
 *   gone PATH, back PATH           a hand is switched off, or on
 *   fail xrSyncActions -17 [N]     the next N calls (1) of that function answer so
 * Returns 0, or -1 for what is none of these. */
typedef int (*standin_xr_do)(const char *line);

/* How often a hand ("left", "right") was shaken or stopped, and how last. */
typedef struct standin_xr_shake {
    unsigned count, stops;
    float amplitude;
    int64_t nanoseconds;
} standin_xr_shake;
typedef standin_xr_shake (*standin_xr_shaken)(int hand);

/* How often a function was called since the library was loaded. */
typedef unsigned (*standin_xr_calls)(const char *function);

#endif
