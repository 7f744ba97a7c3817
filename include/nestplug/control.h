/* Controls: the canonical, normalised inputs of a device, and their names. */
#ifndef NESTPLUG_CONTROL_H
#define NESTPLUG_CONTROL_H

#include "base.h"

#ifdef __cplusplus
extern "C" {
#endif

/* A control's number: the class of device in the upper six bits, the place within it in the lower
 * ten.  0 is no control. */
typedef uint16_t nplug_control;

/* The classes of control, which are the words before the colon in a control's name. */
enum {
    NPLUG_CLASS_NONE = 0,
    NPLUG_CLASS_KEY = 1,   /* "key:KeyW"; the place is the HID usage of page 0x07 */
    NPLUG_CLASS_MOUSE = 2, /* "mouse:left" */
    NPLUG_CLASS_PAD = 3,   /* "pad:south" */
    NPLUG_CLASS_STICK = 4, /* "stick:aileron": sticks, throttles, rudder pedals */
    NPLUG_CLASS_WHEEL = 5, /* "wheel:steering": steering wheels and their pedals */
    NPLUG_CLASS_TOUCH = 6, /* "touch:contact-1" */
    NPLUG_CLASS_HAND_LEFT = 7,
    NPLUG_CLASS_HAND_RIGHT = 8, /* "hand-right:trigger" */
    NPLUG_CLASS_HEADSET = 9,    /* "headset:pose-view" */
    NPLUG_CLASS_KEY_LABEL =
        10,                   /* "key-label:z", in bindings only: the key on which that is printed;
                                the place is its small letter's Unicode code point, up to 1023 */
    NPLUG_CLASS_ZONE = 11,    /* "zone:1-button": a zone of the game's, by its number from 1; in
                                 bindings also by its name: see touch.h */
    NPLUG_CLASS_POINTER = 12, /* "pointer:press": of whatever a player points with: see pointer.h */
    NPLUG_CLASS_HAND = 13,    /* "hand:trigger", in bindings only: of either hand */
    NPLUG_CLASS_HAND_MAIN = 14, /* "hand-main:trigger", likewise: of the dominant hand, or of the
                                   only one: see nplug_set_dominant */
    NPLUG_CLASS_HAND_OFF = 15   /* "hand-off:trigger", likewise: of the other hand, or of the only
                                   one */
};

/* The number of a control from its class and its place within the class. */
#define NPLUG_CONTROL(class_, place) ((nplug_control)(((unsigned)(class_) << 10) | (place)))
/* The class of a control. */
#define NPLUG_CONTROL_CLASS(control) ((unsigned)(control) >> 10)
/* The place of a control within its class. */
#define NPLUG_CONTROL_INDEX(control) ((unsigned)(control)&1023u)

/* The sorts of value that a control or a signal has. The numbers are part of traces and never
 * change. */
typedef enum nplug_nature {
    NPLUG_NATURE_BUTTON = 0,   /* 0 or 1 (a trigger that is only a button, too) */
    NPLUG_NATURE_AXIS = 1,     /* [-1, 1], or [0, 1] where it rests at an end; one or two numbers */
    NPLUG_NATURE_HAT = 2,      /* a signal only: -1, 0 or 1 along one direction of a d-pad */
    NPLUG_NATURE_DELTA = 3,    /* movement in the hardware's counts, always added, never merged */
    NPLUG_NATURE_POSITION = 4, /* [0, 1] from the surface's top left */
    NPLUG_NATURE_POSE = 5,     /* metres and a rotation, right-handed, +y up, -z forward */
    NPLUG_NATURE_CONTACT = 6,  /* a signal only: a finger's number on a touch surface, or -1 */
    NPLUG_NATURE_SENSOR = 7    /* a control only: three numbers of a motion sensor, a turn rate in
                                  rad/s or an acceleration in m/s^2 */
} nplug_nature;

/* The sorts of device. */
typedef enum nplug_device_kind {
    NPLUG_KIND_UNKNOWN = 0,
    NPLUG_KIND_KEYBOARD = 1,
    NPLUG_KIND_MOUSE = 2,
    NPLUG_KIND_PAD = 3,
    NPLUG_KIND_STICK = 4, /* a stick, a throttle quadrant, rudder pedals, or all on one board */
    NPLUG_KIND_WHEEL = 5, /* a steering wheel, its pedals */
    NPLUG_KIND_TOUCH = 6, /* a touch surface */
    NPLUG_KIND_HAND_LEFT = 7,
    NPLUG_KIND_HAND_RIGHT = 8,
    NPLUG_KIND_HEADSET = 9,
    NPLUG_KIND_MOTION = 10, /* motion sensors: nearly always a node of something else */
} nplug_device_kind;

/* Pad controls, named by place as the operating system's open input interface does. */
enum {
    NPLUG_PAD_SOUTH = 1,
    NPLUG_PAD_EAST,
    NPLUG_PAD_WEST,
    NPLUG_PAD_NORTH,
    NPLUG_PAD_DPAD_UP,
    NPLUG_PAD_DPAD_DOWN,
    NPLUG_PAD_DPAD_LEFT,
    NPLUG_PAD_DPAD_RIGHT,
    NPLUG_PAD_SHOULDER_LEFT,
    NPLUG_PAD_SHOULDER_RIGHT,
    NPLUG_PAD_TRIGGER_LEFT,
    NPLUG_PAD_TRIGGER_RIGHT,
    NPLUG_PAD_STICK_LEFT,
    NPLUG_PAD_STICK_RIGHT,
    NPLUG_PAD_STICK_LEFT_CLICK,
    NPLUG_PAD_STICK_RIGHT_CLICK,
    NPLUG_PAD_SELECT,
    NPLUG_PAD_START,
    NPLUG_PAD_HOME,
    NPLUG_PAD_REAR_LEFT,
    NPLUG_PAD_REAR_RIGHT,
    NPLUG_PAD_REAR_LEFT_2,
    NPLUG_PAD_REAR_RIGHT_2,
    NPLUG_PAD_TOUCHPAD, /* pressed */
    NPLUG_PAD_CONFIRM,  /* in bindings only: south, or east where the pad's sheet says so */
    NPLUG_PAD_CANCEL,   /* in bindings only: the one of south and east that does not confirm */
    NPLUG_PAD_GYRO,     /* turn rate, three numbers: see nplug_control_sensor */
    NPLUG_PAD_ACCEL,    /* acceleration, gravity included, three numbers */
    NPLUG_PAD_TURN, /* how fast the pad turns to the right, and its front up: 1 is 2000 degrees a
                       second, which is more than a hand does; an action of kind motion moves by
                       180 a whole turn */
    NPLUG_PAD_ROLL, /* how fast its right side goes down, likewise */
    NPLUG_PAD_TILT  /* how far its right side is down, and its front up: the share of gravity along
                       it, 1 where it stands upright (and shaking counts, too) */
};

/* Mouse controls. */
enum {
    NPLUG_MOUSE_LEFT = 1,
    NPLUG_MOUSE_RIGHT,
    NPLUG_MOUSE_MIDDLE,
    NPLUG_MOUSE_BACK, /* under the thumb, the nearer one */
    NPLUG_MOUSE_FORWARD,
    NPLUG_MOUSE_MOVE,      /* two deltas: +x right, +y up */
    NPLUG_MOUSE_WHEEL,     /* two deltas: +x right, +y away from the person */
    NPLUG_MOUSE_FORWARD_2, /* three more that some mice have beside back and forward */
    NPLUG_MOUSE_BACK_2,
    NPLUG_MOUSE_TASK,
    NPLUG_MOUSE_PLACE /* where it points: [0, 1] from the upper left of the game's window, or of the
                         surface on which it lies */
};

/* Controls of sticks and throttles, in the words of USB HID's simulation controls (usage page
 * 0x02).  Levers without a rest (throttles, sliders) are [0, 1]. */
enum {
    NPLUG_STICK_AILERON = 1, /* -1 left, +1 right */
    NPLUG_STICK_ELEVATOR,    /* -1 towards the person, +1 away */
    NPLUG_STICK_TWIST,       /* -1 to the left, +1 to the right */
    NPLUG_STICK_RUDDER,      /* -1 left pedal, +1 right pedal */
    NPLUG_STICK_BRAKE_LEFT,
    NPLUG_STICK_BRAKE_RIGHT,
    NPLUG_STICK_THROTTLE = 16, /* throttle, throttle-2 to throttle-4 */
    NPLUG_STICK_SLIDER = 20,   /* slider-1 to slider-4 */
    NPLUG_STICK_DIAL = 24,     /* dial-1 to dial-8 */
    NPLUG_STICK_HAT = 32,      /* hat-1 to hat-4, two numbers each */
    NPLUG_STICK_BUTTON = 64    /* button-1 to button-128 */
};

/* Controls of steering wheels and their pedals. */
enum {
    NPLUG_WHEEL_STEERING = 1, /* -1 left, +1 right */
    NPLUG_WHEEL_ACCELERATOR,
    NPLUG_WHEEL_BRAKE,
    NPLUG_WHEEL_CLUTCH,
    NPLUG_WHEEL_HANDBRAKE,
    NPLUG_WHEEL_SHIFT_DOWN,
    NPLUG_WHEEL_SHIFT_UP,
    NPLUG_WHEEL_DIAL = 24,  /* dial-1 to dial-8 */
    NPLUG_WHEEL_HAT = 32,   /* hat-1 and hat-2, two numbers each */
    NPLUG_WHEEL_BUTTON = 64 /* button-1 to button-128 */
};

/* Controls of touch surfaces: a contact's place, whether it is there, and how hard it presses.  And
 * those of a pen, which is a surface's only contact. */
enum {
    NPLUG_TOUCH_CONTACT = 1,           /* contact-1 to contact-16 */
    NPLUG_TOUCH_CONTACT_DOWN = 32,     /* contact-down-1 to contact-down-16 */
    NPLUG_TOUCH_CONTACT_PRESSURE = 64, /* contact-pressure-1 to contact-pressure-16: [0, 1] */
    NPLUG_TOUCH_PEN_BUTTON = 96,       /* pen-button-1 to pen-button-3, at its side */
    NPLUG_TOUCH_NEAR = 104             /* it is near enough for its place to be known */
};

/* Controls of a pointer. */
enum {
    NPLUG_POINTER_PRESS = 1 /* a mouse's left button; a contact that no zone has: see pointer.h */
};

/* Controls of a hand, named as OpenXR's input components are ("trigger", "squeeze", "thumbstick",
 * "touch"), and its two face buttons by their places, as a pad's are.  _TOUCH: a finger touches it.
 * _NEAR: a finger is near it. */
enum {
    NPLUG_HAND_TRIGGER = 1,
    NPLUG_HAND_TRIGGER_TOUCH,
    NPLUG_HAND_TRIGGER_NEAR,
    NPLUG_HAND_SQUEEZE,
    NPLUG_HAND_SQUEEZE_TOUCH,
    NPLUG_HAND_THUMBSTICK,
    NPLUG_HAND_THUMBSTICK_CLICK,
    NPLUG_HAND_THUMBSTICK_TOUCH,
    NPLUG_HAND_THUMBREST_TOUCH,
    NPLUG_HAND_THUMBREST_NEAR,
    NPLUG_HAND_LOWER, /* the face button nearer to the person */
    NPLUG_HAND_LOWER_TOUCH,
    NPLUG_HAND_UPPER, /* the one further away */
    NPLUG_HAND_UPPER_TOUCH,
    NPLUG_HAND_MENU,
    NPLUG_HAND_POSE_GRIP,
    NPLUG_HAND_POSE_AIM,
    NPLUG_HAND_LOWER_NEAR,
    NPLUG_HAND_UPPER_NEAR
};

/* Controls of a headset. */
enum {
    NPLUG_HEADSET_POSE_VIEW = 1,
    NPLUG_HEADSET_WORN /* it is on somebody's head */
};

/* The control of a name such as "pad:south", "mouse:left" or "key:KeyW" (keys by W3C UI Events
 * `code`).  `length` counts bytes; (size_t)-1 takes all up to the terminating 0.  Returns 0 where
 * no control has that name, or `name` is NULL. */
NPLUG_API nplug_control nplug_control_from_name(const char *name, size_t length);

/* As nplug_control_from_name, of a whole text. */
static inline nplug_control nplug_control_named(const char *name)
{
    return nplug_control_from_name(name, (size_t)-1);
}

/* Writes a control's name with its class ("pad:south") and a terminating 0, cut to `size`
 * bytes.  Returns the length of the whole name, or 0 (and writes "") for a number that is none. */
NPLUG_API size_t nplug_control_name(nplug_control control, char *buffer, size_t size);

/* The nature of a control, and in *components (may be NULL) how many numbers it has: 1 or 2, 3 of a
 * sensor, and 7 of a pose (a place x, y, z and a rotation as quaternion x, y, z, w).
 * NPLUG_NATURE_BUTTON and 0 components for a number that is none. */
NPLUG_API nplug_nature nplug_control_nature(nplug_control control, unsigned *components);

/* The key of a Linux kernel key code (input-event-codes.h: KEY_A is 30); 0 where it is no key that
 * has a HID usage. */
NPLUG_API nplug_control nplug_key_from_kernel(uint32_t code);

/* The control whose name is nearest to a misspelt one, for messages; 0 where none is
 * near.  `name` carries its class ("pad:sauth").  The print of a key finds the key of that name in
 * the W3C's list: KeyW for "key:w", Digit1 for "key:1", ArrowUp for "key:up". */
NPLUG_API nplug_control nplug_control_nearest(const char *name, size_t length);

/* The word for a device's kind ("keyboard", "pad", "unknown"): static, never NULL. */
NPLUG_API const char *nplug_kind_name(uint32_t kind);

/* The word for a nature ("button", "axis", ...): static, never NULL. */
NPLUG_API const char *nplug_nature_name(uint32_t nature);

#ifdef __cplusplus
}
#endif
#endif
