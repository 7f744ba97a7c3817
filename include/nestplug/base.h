/* The words that every other header needs: results, times, handles, vectors. */
#ifndef NESTPLUG_BASE_H
#define NESTPLUG_BASE_H

#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

/* The version of these headers; the library's own is nplug_version(). */
#define NPLUG_VERSION_MAJOR 0
#define NPLUG_VERSION_MINOR 1
#define NPLUG_VERSION_PATCH 0

/* Marks what the library exports; nothing else is visible outside it.  Whoever builds the library
 * as a Windows DLL defines NPLUG_BUILD, and whoever uses that DLL defines NPLUG_SHARED; other
 * systems need neither.  A generator of bindings may define it as nothing. */
#ifndef NPLUG_API
#if defined(_WIN32) && defined(NPLUG_BUILD)
#define NPLUG_API __declspec(dllexport)
#elif defined(_WIN32) && defined(NPLUG_SHARED)
#define NPLUG_API __declspec(dllimport)
#elif defined(__GNUC__) && !defined(_WIN32)
#define NPLUG_API __attribute__((visibility("default")))
#else
#define NPLUG_API
#endif
#endif

#ifdef __cplusplus
extern "C" {
#endif

/* Every result, its number and its text, in one place.  0 is success, positive numbers are
 * successes that ask for something, negative numbers are errors. */
#define NPLUG_RESULTS(X)                                                                           \
    X(NPLUG_OK, 0, "done")                                                                         \
    X(NPLUG_AGAIN, 1, "more is due: read the events, then step again with the same time")          \
    X(NPLUG_PARTLY, 2, "a part was done: step, then make the same call again")                     \
    X(NPLUG_END, 3, "there is no more")                                                            \
    X(NPLUG_ERR_ARGUMENT, -1, "an argument is missing or out of its range")                        \
    X(NPLUG_ERR_SIZE, -2, "a block or a buffer is too small, or a struct's size is not known")     \
    X(NPLUG_ERR_FULL, -3, "a limit is reached: raise it in nplug_limits")                          \
    X(NPLUG_ERR_STALE, -4, "the handle's device has gone and its place was given away")            \
    X(NPLUG_ERR_UNKNOWN, -5, "no such name or number")                                             \
    X(NPLUG_ERR_BINDING, -6, "a binding text is wrong")                                            \
    X(NPLUG_ERR_ORDER, -7, "the call comes at the wrong moment")                                   \
    X(NPLUG_ERR_FILE, -8, "a file cannot be read or written")                                      \
    X(NPLUG_ERR_FORMAT, -9, "a file's content is wrong")                                           \
    X(NPLUG_ERR_MEMORY, -10, "the system has no memory left")                                      \
    X(NPLUG_ERR_DIFFERS, -11,                                                                      \
      "the trace was recorded with another game, other limits or other sheets")                    \
    X(NPLUG_ERR_KEPT, -12, "the game keeps this action's bindings: see nplug_action_policy")       \
    X(NPLUG_ERR_NO_FILE, -13, "there is no such file")

/* The result of a call; NPLUG_RESULTS has the meaning of each. */
typedef enum nplug_result {
#define NPLUG_RESULT_ENUM(name, number, text) name = number,
    NPLUG_RESULTS(NPLUG_RESULT_ENUM)
#undef NPLUG_RESULT_ENUM
} nplug_result;

/* A moment or a span in microseconds.  Moments count from wherever the ports' clock does. */
typedef uint64_t nplug_time;

/* A device by handle: a place and a generation in 32 bits.  0 is no device.  A handle of a device
 * that has gone stays readable (as gone) until its place is given away, and is NPLUG_ERR_STALE
 * after that; it never comes to mean another device. */
typedef uint32_t nplug_device;

/* A player: people are counted from 1. */
typedef uint32_t nplug_player;

/* In place of a player: the devices that nobody has claimed. */
#define NPLUG_NOBODY 0u
/* In place of a player: all players and NPLUG_NOBODY together.  Each call that takes it says so. */
#define NPLUG_EVERYONE 0xffffffffu

/* In place of an action's number: all of them.  Each call that takes it says so. */
#define NPLUG_EVERY_ACTION 0xfffffffeu

/* The answer of a call that looks a name up: there is none.  Every call refuses it. */
#define NPLUG_NO_ACTION 0xffffffffu
#define NPLUG_NO_LAYER  0xffffffffu
#define NPLUG_NO_BAND   0xffffffffu

/* How structs grow.  Each struct that begins with `size` may get more members at its end in a later
 * version.  Its `size` says which of them the caller knows: sizeof, at the time when the caller was
 * compiled.  The library takes any size that was ever released: members that the caller does not
 * know have their defaults, and are not written.  A struct of a later version than the library's is
 * taken where its additional bytes are 0.  Else the result is NPLUG_ERR_SIZE.
 *
 * NPLUG_SIZED declares such a struct with its size set and all else 0, as queries want it:
 *   NPLUG_SIZED(nplug_device_facts, facts);
 *   nplug_device_info(nest, device, &facts); */
#ifdef __cplusplus
#define NPLUG_SIZED(type, name)                                                                    \
    type name = {};                                                                                \
    name.size = (uint32_t)sizeof(type)
#else
#define NPLUG_SIZED(type, name) type name = {.size = (uint32_t)sizeof(type)}
#endif

/* Two components, each in [-1, 1] for sticks: +x is right, +y is up. */
typedef struct nplug_vec2 {
    float x, y;
} nplug_vec2;

/* Where something is and how it is turned: metres, right-handed, +y up, -z forward (as OpenXR has
 * it); the orientation is a unit quaternion. */
typedef struct nplug_pose {
    float position[3];    /* x, y, z */
    float orientation[4]; /* x, y, z, w */
} nplug_pose;

/* The nest: one instance of the library.
 *
 * Threads: all calls on one nest are made by one thread at a time.  Its ports, their blocks and its
 * learners belong to it.  Only nplug_push, nplug_push_text and nplug_ring_room may be called from a
 * port's own thread meanwhile.  Different nests know nothing of each other.  Calls that take no
 * nest keep no state: any thread may make them, each object (a file, settings, a trace) from one
 * thread at a time. */
typedef struct nplug_nest nplug_nest;

/* The text of a result: static, never NULL; "unknown result" for a number that is none. */
NPLUG_API const char *nplug_result_text(nplug_result result);

/* The library's version as "MAJOR.MINOR.PATCH": static, never NULL. */
NPLUG_API const char *nplug_version(void);

#ifdef __cplusplus
}
#endif
#endif
