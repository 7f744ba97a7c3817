/* Calibration: where one device's sticks and triggers rest, and how far they go. */
#ifndef NESTPLUG_CALIBRATE_H
#define NESTPLUG_CALIBRATE_H

#include "report.h"

#ifdef __cplusplus
extern "C" {
#endif

/* What nplug_calibrate does with a device. */
typedef enum nplug_calibrate_mode {
    NPLUG_CALIBRATE_MODE_FOLLOW =
        0, /* the rest is found while nobody touches it, and followed, within a
              twelfth of the way to an end (chosen: about 10 of the 128 counts on either side of an
              8-bit stick); the range grows to each value that is reached */
    NPLUG_CALIBRATE_MODE_MEASURE = 1, /* from now on, the lowest and highest values are noted */
    NPLUG_CALIBRATE_MODE_TAKE =
        2, /* the noted values become the range, and the present value the rest */
    NPLUG_CALIBRATE_MODE_FIX = 3,  /* stays as it is */
    NPLUG_CALIBRATE_MODE_RESET = 4 /* as the sheet says, and stays so */
} nplug_calibrate_mode;

/* Turn rates (pad:turn, pad:roll, and pad:gyro with them) are always followed, by rules of their
 * own: where all that a sensor says within a second is within 2 degrees a second, and no further
 * than 10 from 0, its device lies still, and the rest goes half of the way there (chosen; the first
 * time all of it).  FIX and RESET hold that where it is; MEASURE and TAKE leave it alone. */

/* One axis of one device. */
typedef struct nplug_calibration {
    uint64_t device; /* nplug_device_key */
    uint32_t space;  /* an nplug_space */
    uint32_t code;
    int32_t rest, low, high; /* raw */
    uint32_t reserved;       /* 0 */
} nplug_calibration;

/* A number that tells a device from others, also after a restart: made of its serial number where
 * it has one, else of the socket that it is plugged into, each with its numbers; else its numbers
 * alone, so that all of a sort are one.  0 where the device is not known. */
NPLUG_API uint64_t nplug_device_key(const nplug_nest *nest, nplug_device device);

/* Calibrates a device from the next step on; one that comes is followed where
 * nplug_setup.follow_rest says so, else fixed.  Errors as nplug_rumble. */
NPLUG_API nplug_result nplug_calibrate(nplug_nest *nest, nplug_device device,
                                       nplug_calibrate_mode how);

/* One axis of a device that is here. */
typedef struct nplug_calibration_facts {
    uint32_t size; /* sizeof(nplug_calibration_facts), set by the caller */
    uint32_t mode; /* an nplug_calibrate_mode: that of the device */
    nplug_calibration now;
    nplug_calibration sheet; /* as its sheet and its hardware say */
} nplug_calibration_facts;

/* Fills *facts with the device's axis `index`, from 0, counting those that can be calibrated.
 * NPLUG_ERR_UNKNOWN past the end; NPLUG_ERR_STALE, NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_calibration_info(const nplug_nest *nest, nplug_device device,
                                              uint32_t index, nplug_calibration_facts *facts);

/* Calibrations for devices that come, to be given before the first step; the list stays the
 * caller's, valid as long as the nest.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_ORDER. */
NPLUG_API nplug_result nplug_use_calibrations(nplug_nest *nest, const nplug_calibration *list,
                                              uint32_t count);

/* The word for a number of an nplug_calibrate_mode: static, never NULL; "unknown" for a number that
 * is none. */
NPLUG_API const char *nplug_calibrate_mode_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
