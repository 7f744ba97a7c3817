/* Poses: where hands and a headset are, how they are turned, and whether that is known. */
#ifndef NESTPLUG_POSE_H
#define NESTPLUG_POSE_H

#include "control.h"

#ifdef __cplusplus
extern "C" {
#endif

/* A pose with all that is known of it.  Metres and seconds, right-handed, +y up, -z forward, in the
 * space that the port was told (as OpenXR 1.0 has it, section 7 "Spaces"). */
typedef struct nplug_pose_facts {
    uint32_t size;            /* sizeof(nplug_pose_facts), set by the caller */
    nplug_device device;      /* whose it is; 0: nobody's */
    nplug_control control;    /* which one of it */
    uint16_t reserved;        /* 0 */
    nplug_pose pose;          /* the last one known; its orientation is of length one, and (0, 0, 0,
                                 1) where nothing that could be one was said */
    float velocity[3];        /* metres a second along x, y, z; 0 where nobody tells */
    float turn_rate[3];       /* radians a second about x, y, z; likewise */
    bool position_valid;      /* it is where `pose` says, perhaps by guess; false: nobody knows */
    bool orientation_valid;   /* likewise */
    bool position_tracked;    /* it is seen there now, and not guessed */
    bool orientation_tracked; /* likewise */
    bool has_velocity;        /* the hardware tells its velocity */
    bool has_turn_rate;       /* likewise */
    bool awake;               /* its device is: see nplug_device_facts */
    bool reserved_2;          /* false */
} nplug_pose_facts;

/* Fills *facts with the pose of a device's control ("hand-left:pose-grip", "headset:pose-view"), as
 * it was said last.  A device that does not tell whether it is tracked is taken to be.
 * NPLUG_ERR_UNKNOWN: the device has no such control, or it is no pose; NPLUG_ERR_STALE,
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_pose_info(const nplug_nest *nest, nplug_device device,
                                       nplug_control control, nplug_pose_facts *facts);

/* Fills *facts with the pose that drives an action of kind NPLUG_ACTION_POSE for a player, or
 * NPLUG_EVERYONE.  Of several the one that is tracked, then one that is valid, then one of the
 * device that the player used last, then the first binding's.  NPLUG_ERR_UNKNOWN: nothing drives it
 * now, or there is no such action; NPLUG_ERR_ARGUMENT (another kind of action), NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_action_pose(const nplug_nest *nest, nplug_player player,
                                         uint32_t action, nplug_pose_facts *facts);

#ifdef __cplusplus
}
#endif
#endif
