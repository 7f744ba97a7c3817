#include "drivers.h"
#include <errno.h>
#include <fcntl.h>
#include <linux/serio.h>
#include <linux/usb/functionfs.h>
#include <pthread.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/ioctl.h>
#include <termios.h>
#include <unistd.h>

#define COUNT_OF(list) (sizeof(list) / sizeof *(list))

/* --- a HID report descriptor, put together -----------------------------------------------------
 */

typedef struct axis {
    uint8_t page, usage, rest;
    const char *low, *high; /* what its ends are, where that is known */
} axis;

/* A pad or stick of a HID driver that lets the kernel's HID layer name everything. */
typedef struct layout {
    uint8_t application; /* USB HID usage: 0x04 joystick, 0x05 gamepad */
    axis axes[8];
    uint8_t axis_count, buttons;
    uint8_t outputs, output_count; /* fields of its output report, and values of each */
    bool twice;                    /* two of it, with report numbers 1 and 2 */
    uint8_t ends; /* its button of that number and the next are its triggers' ends */
} layout;

typedef struct bytes {
    uint8_t list[512];
    size_t count;
} bytes;

static void add(bytes *to, const uint8_t *list, size_t count)
{
    memcpy(to->list + to->count, list, count);
    to->count += count;
}
#define ADD(to, ...) add(to, (const uint8_t[]){__VA_ARGS__}, sizeof(const uint8_t[]){__VA_ARGS__})

static void add_inputs(bytes *to, const layout *from)
{
    ADD(to, 0x15, 0x00, 0x26, 0xff, 0x00, 0x75, 0x08, 0x95, 0x01);
    for (unsigned i = 0; i < from->axis_count; i++)
        ADD(to, 0x05, from->axes[i].page, 0x09, from->axes[i].usage, 0x81, 0x02);
    ADD(to, 0x05, 0x01, 0x09, 0x39, 0x15, 0x00, 0x25, 0x07, 0x35, 0x00, 0x46, 0x3b, 0x01, 0x65,
        0x14, 0x75, 0x04, 0x81, 0x42, 0x65, 0x00, 0x45, 0x00, 0x81, 0x03);
    ADD(to, 0x05, 0x09, 0x19, 0x01, 0x29, from->buttons, 0x15, 0x00, 0x25, 0x01, 0x75, 0x01, 0x95,
        from->buttons, 0x81, 0x02);
    if (from->buttons % 8) ADD(to, 0x95, (uint8_t)(8 - from->buttons % 8), 0x81, 0x03);
}

static void describe(bytes *to, const layout *from)
{
    for (unsigned twin = 0; twin < (from->twice ? 2u : 1u); twin++) {
        ADD(to, 0x05, 0x01, 0x09, from->application, 0xa1, 0x01);
        if (from->twice) ADD(to, 0x85, (uint8_t)(twin + 1));
        add_inputs(to, from);
        ADD(to, 0x06, 0x00, 0xff, 0x15, 0x00, 0x26, 0xff, 0x00, 0x75, 0x08, 0x95,
            from->output_count);
        for (unsigned i = 0; i < from->outputs; i++)
            ADD(to, 0x09, (uint8_t)(0x20 + i), 0x91, 0x02);
        ADD(to, 0xc0);
    }
}

/* --- what a layout's report holds ----------------------------------------------------------------
 */

#define THINGS_MOST 64

static void fill_thing(thing *one, const char *what, uint8_t at, uint8_t mask, uint8_t value,
                       const char *control)
{
    memset(one, 0, sizeof *one);
    snprintf(one->what, sizeof one->what, "%s", what);
    one->at = at;
    one->mask = mask;
    one->value = value;
    one->control = control;
}

static uint32_t list_things(const layout *from, thing *things, bool pad)
{
    static const char *const sides[2][4] = {
        {"stick:hat-1.y+", "stick:hat-1.x+", "stick:hat-1.y-", "stick:hat-1.x-"},
        {"pad:dpad-up", "pad:dpad-right", "pad:dpad-down", "pad:dpad-left"}};
    uint8_t at = from->twice ? 1 : 0;
    uint32_t count = 0;
    char what[24];

    for (unsigned i = 0; i < from->axis_count; i++, at++) {
        snprintf(what, sizeof what, "usage %02x:%02x", from->axes[i].page, from->axes[i].usage);
        if (from->axes[i].low) fill_thing(&things[count++], what, at, 0xff, 0, from->axes[i].low);
        if (from->axes[i].rest != 0xff)
            fill_thing(&things[count++], what, at, 0xff, 0xff, from->axes[i].high);
    }
    for (unsigned i = 0; i < 4; i++)
        fill_thing(&things[count++], "hat", at, 0x0f, (uint8_t)(2 * i), sides[pad][i]);
    at++;
    for (unsigned i = 0; i < from->buttons; i++) {
        snprintf(what, sizeof what, "button %u", i + 1);
        fill_thing(&things[count++], what, (uint8_t)(at + i / 8), (uint8_t)(1u << i % 8),
                   (uint8_t)(1u << i % 8), NULL);
        things[count - 1].unread = from->ends && (i + 1 == from->ends || i == from->ends);
    }
    return count;
}

static size_t rest_of(const layout *from, uint8_t *report)
{
    size_t at = 0;

    if (from->twice) report[at++] = 1;
    for (unsigned i = 0; i < from->axis_count; i++)
        report[at++] = from->axes[i].rest;
    report[at++] = 0x08;
    return at + (from->buttons + 7u) / 8;
}

/* --- by uhid ------------------------------------------------------------------------------------
 */

/* Of one driver: how it is plugged in, and the report as it lies. */
typedef struct hardware {
    const layout *layout; /* or */
    const uint8_t *descriptor;
    size_t descriptor_size;
    plug_feature features;
    plug_output outputs;
    uint8_t rest[64];
    size_t size;
    int serio; /* or the kernel's number for what is on the line */
    bool usb;  /* or a whole USB device */
} hardware;

#define SX(usage, name)                                                                            \
    {                                                                                              \
        1, usage, 0x80, "pad:stick-" name "-", "pad:stick-" name "+"                               \
    }
#define SY(usage, name)                                                                            \
    {                                                                                              \
        1, usage, 0x80, "pad:stick-" name "+", "pad:stick-" name "-"                               \
    }
#define STICKS SX(0x30, "left.x"), SY(0x31, "left.y"), SX(0x32, "right.x"), SY(0x35, "right.y")
#define UNSURE(usage)                                                                              \
    {                                                                                              \
        1, usage, 0x80, NULL, NULL                                                                 \
    }

/* Rumble drivers, whose pads are joysticks to HID: which button is where nobody says. */
static const layout joystick_7 = {
    4, {SX(0x30, "left.x"), SY(0x31, "left.y"), UNSURE(0x32), UNSURE(0x35)}, 4, 12, 1, 7, false, 0};
static const layout joystick_4x1 = {
    4, {SX(0x30, "left.x"), SY(0x31, "left.y"), UNSURE(0x32), UNSURE(0x35)}, 4, 12, 4, 1, false, 0};
static const layout joystick_twice = {
    4, {SX(0x30, "left.x"), SY(0x31, "left.y"), UNSURE(0x32), UNSURE(0x35)}, 4, 12, 1, 4, true, 0};
static const layout gamepad_7 = {5, {STICKS}, 4, 13, 1, 7, false, 0};
static const layout gamepad_rx = {
    5, {STICKS, {1, 0x33, 0, NULL, NULL}, {1, 0x34, 0, NULL, NULL}}, 6, 16, 1, 7, false, 7};
static const layout gamepad_gas = {
    5,
    {STICKS, {2, 0xc4, 0, NULL, "pad:trigger-right.x+"}, {2, 0xc5, 0, NULL, "pad:trigger-left.x+"}},
    6,
    16,
    1,
    8,
    false,
    9};
static const layout stick_throttle = {4,
                                      {{1, 0x30, 0x80, "stick:aileron.x-", "stick:aileron.x+"},
                                       {1, 0x31, 0x80, "stick:elevator.x+", "stick:elevator.x-"},
                                       {1, 0x35, 0x80, "stick:twist.x-", "stick:twist.x+"},
                                       {1, 0x36, 0xff, "stick:throttle.x+", NULL}},
                                      4,
                                      16,
                                      1,
                                      7,
                                      false,
                                      0};
static const layout wheel_x = {4,
                               {{1, 0x30, 0x80, "wheel:steering.x-", "wheel:steering.x+"},
                                {1, 0x31, 0xff, "wheel:clutch.x+", NULL},
                                {1, 0x32, 0xff, "wheel:accelerator.x+", NULL},
                                {1, 0x35, 0xff, "wheel:brake.x+", NULL}},
                               4,
                               22,
                               1,
                               7,
                               false,
                               0};

/* Why a layout's triggers' ends move nothing. */
#define ENDS "the buttons at the triggers' ends are the triggers' own way"

/* --- 054c:0ce6: answers the handshake; its source names each byte
 * ---------------------------------- */

static const uint8_t ce6_descriptor[] = {
    0x05, 0x01, 0x09, 0x05, 0xa1, 0x01, 0x06, 0x00, 0xff, 0x15, 0x00, 0x26, 0xff, 0x00, 0x75,
    0x08, 0x85, 0x01, 0x09, 0x20, 0x95, 63,   0x81, 0x02, 0x85, 0x02, 0x09, 0x21, 0x95, 47,
    0x91, 0x02, 0x85, 0x05, 0x09, 0x22, 0x95, 40,   0xb1, 0x02, 0x85, 0x09, 0x09, 0x23, 0x95,
    19,   0xb1, 0x02, 0x85, 0x20, 0x09, 0x24, 0x95, 63,   0xb1, 0x02, 0xc0};

static void put_words(uint8_t *at, const int *words, unsigned count)
{
    for (unsigned i = 0; i < count; i++) {
        at[2 * i] = (uint8_t)words[i];
        at[2 * i + 1] = (uint8_t)(words[i] >> 8);
    }
}

static size_t ce6_features(uint8_t number, uint8_t *answer)
{
    static const int calibration[17] = {0,   0,   0,    8704,  -8704, 8704,  -8704, 8704, -8704,
                                        540, 540, 8192, -8192, 8192,  -8192, 8192,  -8192};

    answer[0] = number;
    if (number == 5) put_words(answer + 1, calibration, 17);
    for (uint8_t i = 0; number == 9 && i < 6; i++)
        answer[1 + i] = (uint8_t)(0x10 + i);
    if (number == 0x20) answer[25] = answer[28] = 1;
    return number == 5 ? 41 : number == 9 ? 20 : number == 0x20 ? 64 : 0;
}

#define FACE_BITS(at)                                                                              \
    {"button 1", at, 0x10, 0x10, "pad:west", 0, 0, 0},                                             \
        {"button 2", at, 0x20, 0x20, "pad:south", 0, 0, 0},                                        \
        {"button 3", at, 0x40, 0x40, "pad:east", 0, 0, 0},                                         \
    {                                                                                              \
        "button 4", at, 0x80, 0x80, "pad:north", 0, 0, 0                                           \
    }
#define HAT_SIDES(at)                                                                              \
    {"up", at, 0x0f, 0, "pad:dpad-up", 0, 0, 0},                                                   \
        {"right", at, 0x0f, 2, "pad:dpad-right", 0, 0, 0},                                         \
        {"down", at, 0x0f, 4, "pad:dpad-down", 0, 0, 0},                                           \
    {                                                                                              \
        "left", at, 0x0f, 6, "pad:dpad-left", 0, 0, 0                                              \
    }
#define UPPER_BITS(at)                                                                             \
    {"L1", at, 1, 1, "pad:shoulder-left", 0, 0, 0},                                                \
        {"R1", at, 2, 2, "pad:shoulder-right", 0, 0, 0},                                           \
        {"L2, all the way", at, 4, 4, NULL, 1, 0, 0},                                              \
        {"R2, all the way", at, 8, 8, NULL, 1, 0, 0},                                              \
        {"left menu", at, 0x10, 0x10, "pad:select", 0, 0, 0},                                      \
        {"right menu", at, 0x20, 0x20, "pad:start", 0, 0, 0},                                      \
        {"L3", at, 0x40, 0x40, "pad:stick-left-click", 0, 0, 0},                                   \
    {                                                                                              \
        "R3", at, 0x80, 0x80, "pad:stick-right-click", 0, 0, 0                                     \
    }
#define BYTE_STICKS(x, y, rx, ry)                                                                  \
    {"left stick", x, 0xff, 0xff, "pad:stick-left.x+", 0, 0, 0},                                   \
        {"left stick", y, 0xff, 0x00, "pad:stick-left.y+", 0, 0, 0},                               \
        {"right stick", rx, 0xff, 0x00, "pad:stick-right.x-", 0, 0, 0},                            \
    {                                                                                              \
        "right stick", ry, 0xff, 0xff, "pad:stick-right.y-", 0, 0, 0                               \
    }
/* Words of which the high byte is set: 0x5000 counts. */
#define SENSORS(gyro, accel)                                                                       \
    {"turn rate", gyro + 1, 0xff, 0x50, "pad:gyro.x+", 0, 0, 0},                                   \
        {"turn rate", gyro + 3, 0xff, 0x50, "pad:gyro.y+", 0, 0, 0},                               \
        {"turn rate", gyro + 5, 0xff, 0xb0, "pad:gyro.z-", 0, 0, 0},                               \
        {"acceleration", accel + 1, 0xff, 0x50, "pad:accel.x+", 0, 0, 0},                          \
        {"acceleration", accel + 3, 0xff, 0x50, "pad:accel.y+", 0, 0, 0},                          \
    {                                                                                              \
        "acceleration", accel + 5, 0xff, 0xb0, "pad:accel.z-", 0, 0, 0                             \
    }

static const thing ce6_things[] = {BYTE_STICKS(1, 2, 3, 4),
                                   {"L2", 5, 0xff, 0xff, "pad:trigger-left.x+", 0, 0, 0},
                                   {"R2", 6, 0xff, 0xff, "pad:trigger-right.x+", 0, 0, 0},
                                   HAT_SIDES(8),
                                   FACE_BITS(8),
                                   UPPER_BITS(9),
                                   {"home", 10, 1, 1, "pad:home", 0, 0, 0},
                                   {"touch pad, pressed", 10, 2, 2, "pad:touchpad", 0, 0, 0},
                                   {"a finger", 33, 0x80, 0, "touch:contact-down-1", 0, 0, 0},
                                   SENSORS(16, 22)};

/* --- 054c:09cc: the HID layer's usages, renamed by the driver
 * --------------------------------------- */

static const uint8_t cc_descriptor[] = {
    0x05, 0x01, 0x09, 0x05, 0xa1, 0x01, 0x85, 0x01, 0x09, 0x30, 0x09, 0x31, 0x09, 0x32, 0x09,
    0x35, 0x15, 0x00, 0x26, 0xff, 0x00, 0x75, 0x08, 0x95, 0x04, 0x81, 0x02, 0x09, 0x39, 0x15,
    0x00, 0x25, 0x07, 0x35, 0x00, 0x46, 0x3b, 0x01, 0x65, 0x14, 0x75, 0x04, 0x95, 0x01, 0x81,
    0x42, 0x65, 0x00, 0x05, 0x09, 0x19, 0x01, 0x29, 0x0e, 0x15, 0x00, 0x25, 0x01, 0x75, 0x01,
    0x95, 0x0e, 0x81, 0x02, 0x06, 0x00, 0xff, 0x09, 0x20, 0x75, 0x06, 0x95, 0x01, 0x15, 0x00,
    0x25, 0x7f, 0x81, 0x02, 0x05, 0x01, 0x09, 0x33, 0x09, 0x34, 0x15, 0x00, 0x26, 0xff, 0x00,
    0x75, 0x08, 0x95, 0x02, 0x81, 0x02, 0x06, 0x00, 0xff, 0x09, 0x21, 0x95, 54,   0x81, 0x02,
    0x85, 0x05, 0x09, 0x22, 0x95, 31,   0x91, 0x02, 0x85, 0x02, 0x09, 0x24, 0x95, 36,   0xb1,
    0x02, 0x85, 0x81, 0x09, 0x25, 0x95, 15,   0xb1, 0x02, 0x85, 0xa3, 0x09, 0x26, 0x95, 48,
    0xb1, 0x02, 0x85, 0x12, 0x09, 0x27, 0x95, 15,   0xb1, 0x02, 0xc0};

static size_t cc_features(uint8_t number, uint8_t *answer)
{
    static const int calibration[17] = {0,   0,   0,    8704,  -8704, 8704,  -8704, 8704, -8704,
                                        540, 540, 8192, -8192, 8192,  -8192, 8192,  -8192};

    answer[0] = number;
    if (number == 2) put_words(answer + 1, calibration, 17);
    for (uint8_t i = 0; (number == 0x81 || number == 0x12) && i < 6; i++)
        answer[1 + i] = (uint8_t)(0x20 + i);
    if (number == 0xa3) answer[35] = answer[41] = 1;
    return number == 2 ? 37 : number == 0x81 ? 7 : number == 0x12 ? 16 : number == 0xa3 ? 49 : 0;
}

static const thing cc_things[] = {BYTE_STICKS(1, 2, 3, 4),
                                  HAT_SIDES(5),
                                  FACE_BITS(5),
                                  UPPER_BITS(6),
                                  {"home", 7, 1, 1, "pad:home", 0, 0, 0},
                                  {"touch pad, pressed", 7, 2, 2, "pad:touchpad", 0, 0, 0},
                                  {"L2", 8, 0xff, 0xff, "pad:trigger-left.x+", 0, 0, 0},
                                  {"R2", 9, 0xff, 0xff, "pad:trigger-right.x+", 0, 0, 0},
                                  {"a finger", 35, 0x80, 0, "touch:contact-down-1", 0, 0, 0},
                                  SENSORS(13, 19)};

/* --- 057e:2009: asks for what it needs, and is answered by reports
 * ---------------------------------- */

#define SIXTY_THREE_IN(number, usage)  0x85, number, 0x09, usage, 0x95, 63, 0x81, 0x02
#define SIXTY_THREE_OUT(number, usage) 0x85, number, 0x09, usage, 0x95, 63, 0x91, 0x02
static const uint8_t nine_descriptor[] = {0x05,
                                          0x01,
                                          0x09,
                                          0x05,
                                          0xa1,
                                          0x01,
                                          0x06,
                                          0x00,
                                          0xff,
                                          0x15,
                                          0x00,
                                          0x26,
                                          0xff,
                                          0x00,
                                          0x75,
                                          0x08,
                                          SIXTY_THREE_IN(0x30, 0x20),
                                          SIXTY_THREE_IN(0x21, 0x21),
                                          SIXTY_THREE_IN(0x81, 0x22),
                                          SIXTY_THREE_OUT(0x01, 0x23),
                                          SIXTY_THREE_OUT(0x10, 0x24),
                                          SIXTY_THREE_OUT(0x80, 0x25),
                                          0xc0};

/* A question by the line (0x80) or by the pad's own commands (0x01): what sort of pad it is, and
 * its memory, in which no calibration stands. */
static void nine_outputs(int to, const uint8_t *data, size_t size)
{
    static const int sensors[12] = {0, 0, 0, 16384, 16384, 16384, 0, 0, 0, 13371, 13371, 13371};
    uint8_t reply[64] = {0x21, 0, 0x90};

    if (size < 2) return;
    if (data[0] == 0x80) {
        reply[0] = 0x81;
        reply[1] = data[1];
        plug_hid_report(to, reply, sizeof reply);
    }
    if (data[0] != 0x01 || size < 11) return;
    reply[13] = 0x80;
    reply[14] = data[10];
    reply[17] = data[10] == 0x02 ? 3 : 0;
    for (uint8_t i = 0; data[10] == 0x02 && i < 6; i++)
        reply[19 + i] = (uint8_t)(0x30 + i);
    if (data[10] == 0x10 && data[11] == 0x20 && data[12] == 0x60)
        put_words(reply + 20, sensors, 12);
    plug_hid_report(to, reply, sizeof reply);
}

static const thing nine_things[] = {
    {"left stick", 6, 0xff, 0xff, "pad:stick-left.x+", 0, 0x0f, 0},
    {"left stick", 8, 0xff, 0xff, "pad:stick-left.y+", 0, 0, 0},
    {"right stick", 9, 0xff, 0xff, "pad:stick-right.x+", 0, 0x0f, 0},
    {"right stick", 11, 0xff, 0x10, "pad:stick-right.y-", 0, 0, 0},
    {"Y", 3, 1, 1, "pad:west", 0, 0, 0},
    {"X", 3, 2, 2, "pad:north", 0, 0, 0},
    {"B", 3, 4, 4, "pad:south", 0, 0, 0},
    {"A", 3, 8, 8, "pad:east", 0, 0, 0},
    {"R", 3, 0x40, 0x40, "pad:shoulder-right", 0, 0, 0},
    {"ZR", 3, 0x80, 0x80, "pad:trigger-right.x+", 0, 0, 0},
    {"minus", 4, 1, 1, "pad:select", 0, 0, 0},
    {"plus", 4, 2, 2, "pad:start", 0, 0, 0},
    {"right stick, pressed", 4, 4, 4, "pad:stick-right-click", 0, 0, 0},
    {"left stick, pressed", 4, 8, 8, "pad:stick-left-click", 0, 0, 0},
    {"home", 4, 0x10, 0x10, "pad:home", 0, 0, 0},
    {"capture", 4, 0x20, 0x20, NULL, 0, 0, 0},
    {"down", 5, 1, 1, "pad:dpad-down", 0, 0, 0},
    {"up", 5, 2, 2, "pad:dpad-up", 0, 0, 0},
    {"right", 5, 4, 4, "pad:dpad-right", 0, 0, 0},
    {"left", 5, 8, 8, "pad:dpad-left", 0, 0, 0},
    {"L", 5, 0x40, 0x40, "pad:shoulder-left", 0, 0, 0},
    {"ZL", 5, 0x80, 0x80, "pad:trigger-left.x+", 0, 0, 0},
    SENSORS(43, 37)};

/* --- 28de:1102: asked for its serial number; its left touch pad is the d-pad while it is touched
 * ------ */

static const uint8_t two8_descriptor[] = {0x06, 0x00, 0xff, 0x09, 0x01, 0xa1, 0x01, 0x15, 0x00,
                                          0x26, 0xff, 0x00, 0x75, 0x08, 0x95, 64,   0x09, 0x20,
                                          0x81, 0x02, 0x95, 64,   0x09, 0x21, 0xb1, 0x02, 0xc0};

static size_t two8_features(uint8_t number, uint8_t *answer)
{
    memcpy(answer, (uint8_t[]){number, 0xae, 0x15, 0x01, 'Q', 'U', 'A', 'Y', '1'}, 9);
    return 65;
}

static const thing two8_things[] = {
    {"trigger, all the way", 8, 1, 1, NULL, 1, 0, 0},
    {"trigger, all the way", 8, 2, 2, NULL, 1, 0, 0},
    {"right shoulder", 8, 4, 4, "pad:shoulder-right", 0, 0, 0},
    {"left shoulder", 8, 8, 8, "pad:shoulder-left", 0, 0, 0},
    {"Y", 8, 0x10, 0x10, "pad:north", 0, 0, 0},
    {"B", 8, 0x20, 0x20, "pad:east", 0, 0, 0},
    {"X", 8, 0x40, 0x40, "pad:west", 0, 0, 0},
    {"A", 8, 0x80, 0x80, "pad:south", 0, 0, 0},
    {"left pad, up", 9, 1, 1, "pad:dpad-up", 0, 8, 0},
    {"left pad, right", 9, 2, 2, "pad:dpad-right", 0, 8, 0},
    {"left pad, left", 9, 4, 4, "pad:dpad-left", 0, 8, 0},
    {"left pad, down", 9, 8, 8, "pad:dpad-down", 0, 8, 0},
    {"left menu", 9, 0x10, 0x10, "pad:select", 0, 0, 0},
    {"home", 9, 0x20, 0x20, "pad:home", 0, 0, 0},
    {"right menu", 9, 0x40, 0x40, "pad:start", 0, 0, 0},
    {"left back", 9, 0x80, 0x80, "pad:rear-left", 0, 0, 0},
    {"right back", 10, 1, 1, "pad:rear-right", 0, 0, 0},
    {"right pad, pressed", 10, 4, 4, "pad:stick-right-click", 0, 0, 0},
    {"stick, pressed", 10, 0x40, 0x40, "pad:stick-left-click", 0, 0, 0},
    {"left trigger", 11, 0xff, 0xff, "pad:trigger-left.x+", 0, 0, 0},
    {"right trigger", 12, 0xff, 0xff, "pad:trigger-right.x+", 0, 0, 0},
    {"stick", 17, 0xff, 0x7f, "pad:stick-left.x+", 0, 0, 0},
    {"stick", 19, 0xff, 0x7f, "pad:stick-left.y+", 0, 0, 0},
    {"right pad", 21, 0xff, 0x7f, "pad:stick-right.x+", 0, 0, 0},
    {"right pad", 23, 0xff, 0x7f, "pad:stick-right.y+", 0, 0, 0}};

/* --- 1038:1410: the driver has a descriptor of its own, once it sees the one that it knows
 * ----------- */

static uint8_t srw_descriptor[120];

static const thing srw_things[] = {{"X", 1, 0xff, 0x07, "wheel:steering.x+", 0, 0, 0},
                                   {"X", 1, 0xff, 0xf9, "wheel:steering.x-", 0, 0, 0},
                                   {"Y", 2, 0xff, 0xff, "wheel:accelerator.x+", 0, 0x03, 0},
                                   {"Z", 4, 0xff, 0x3f, "wheel:brake.x+", 0, 0, 0},
                                   {"hat", 5, 0x0f, 0, "wheel:hat-1.y+", 0, 0, 0},
                                   {"hat", 5, 0x0f, 2, "wheel:hat-1.x+", 0, 0, 0},
                                   {"hat", 5, 0x0f, 4, "wheel:hat-1.y-", 0, 0, 0},
                                   {"hat", 5, 0x0f, 6, "wheel:hat-1.x-", 0, 0, 0},
                                   {"button 1", 5, 0x80, 0x80, NULL, 0, 0, 0},
                                   {"button 2", 6, 1, 1, NULL, 0, 0, 0},
                                   {"button 9", 6, 0x80, 0x80, NULL, 0, 0, 0},
                                   {"button 10", 7, 1, 1, NULL, 0, 0, 0},
                                   {"button 17", 7, 0x80, 0x80, NULL, 0, 0, 0},
                                   {"RX", 8, 0xff, 0xbb, "wheel:dial-1.x+", 0, 0,
                                    0}, /* two dials, which the kernel gives one code */
                                   {"RZ", 9, 0x0f, 0x03, "wheel:dial-2.x+", 0, 0, 0}};

/* --- 045e:028e: no HID, a whole USB device
 * -------------------------------------------------------- */

static const thing usb_28e_things[] = {
    {"left stick", 7, 0xff, 0x7f, "pad:stick-left.x+", 0, 0, 0},
    {"left stick", 9, 0xff, 0x7f, "pad:stick-left.y+", 0, 0, 0},
    {"right stick", 11, 0xff, 0x80, "pad:stick-right.x-", 0, 0, 0},
    {"right stick", 13, 0xff, 0x80, "pad:stick-right.y-", 0, 0, 0},
    {"LT", 4, 0xff, 0xff, "pad:trigger-left.x+", 0, 0, 0},
    {"RT", 5, 0xff, 0xff, "pad:trigger-right.x+", 0, 0, 0},
    {"up", 2, 1, 1, "pad:dpad-up", 0, 0, 0},
    {"down", 2, 2, 2, "pad:dpad-down", 0, 0, 0},
    {"left", 2, 4, 4, "pad:dpad-left", 0, 0, 0},
    {"right", 2, 8, 8, "pad:dpad-right", 0, 0, 0},
    {"right menu", 2, 0x10, 0x10, "pad:start", 0, 0, 0},
    {"left menu", 2, 0x20, 0x20, "pad:select", 0, 0, 0},
    {"left thumb", 2, 0x40, 0x40, "pad:stick-left-click", 0, 0, 0},
    {"right thumb", 2, 0x80, 0x80, "pad:stick-right-click", 0, 0, 0},
    {"LB", 3, 1, 1, "pad:shoulder-left", 0, 0, 0},
    {"RB", 3, 2, 2, "pad:shoulder-right", 0, 0, 0},
    {"home", 3, 4, 4, "pad:home", 0, 0, 0},
    {"A", 3, 0x10, 0x10, "pad:south", 0, 0, 0},
    {"B", 3, 0x20, 0x20, "pad:east", 0, 0, 0},
    {"X", 3, 0x40, 0x40, "pad:west", 0, 0, 0},
    {"Y", 3, 0x80, 0x80, "pad:north", 0, 0, 0}};

/* --- on a serial line
 * ------------------------------------------------------------------------------- */

static const thing stinger_things[] = {{"A", 0, 0x20, 0x20, "pad:south", 0, 0, 0},
                                       {"B", 0, 0x10, 0x10, "pad:east", 0, 0, 0},
                                       {"C", 0, 0x08, 0x08, NULL, 0, 0, 0},
                                       {"X", 0, 0x04, 0x04, "pad:north", 0, 0, 0},
                                       {"Y", 3, 0x20, 0x20, "pad:west", 0, 0, 0},
                                       {"Z", 3, 0x10, 0x10, NULL, 0, 0, 0},
                                       {"TL", 3, 0x08, 0x08, "pad:shoulder-left", 0, 0, 0},
                                       {"TR", 3, 0x04, 0x04, "pad:shoulder-right", 0, 0, 0},
                                       {"SELECT", 3, 0x02, 0x02, "pad:select", 0, 0, 0},
                                       {"START", 3, 0x01, 0x01, "pad:start", 0, 0, 0},
                                       {"right", 1, 0x3f, 0x3f, "pad:stick-left.x+", 0, 0, 0},
                                       {"left", 0, 0x01, 0x01, "pad:stick-left.x-", 0, 0, 0},
                                       {"up", 2, 0x3f, 0x3f, "pad:stick-left.y+", 0, 0, 0},
                                       {"down", 0, 0x02, 0x02, "pad:stick-left.y-", 0, 0, 0}};

/* Packets 1 (buttons), 3 (stick) and 5 (throttle and hat); the first byte's high bits say which. */
static const thing warrior_things[] = {{"trigger", 3, 1, 1, "stick:button-1", 0, 0, 1},
                                       {"thumb", 3, 2, 2, "stick:button-2", 0, 0, 1},
                                       {"top", 3, 4, 4, "stick:button-4", 0, 0, 1},
                                       {"top 2", 3, 8, 8, "stick:button-5", 0, 0, 1},
                                       {"stick", 0, 0x08, 0x08, "stick:aileron.x+", 0, 0, 3},
                                       {"stick", 2, 0xff, 0x60, "stick:aileron.x-", 0, 0, 3},
                                       {"stick", 1, 0xff, 0x60, "stick:elevator.x-", 0, 0, 3},
                                       {"stick", 0, 0x02, 0x02, "stick:elevator.x+", 0, 0, 3},
                                       {"throttle", 0, 0x02, 0x02, "stick:throttle.x+", 0, 0, 5},
                                       {"hat", 3, 1, 1, "stick:hat-1.x-", 0, 0, 5},
                                       {"hat", 3, 2, 2, "stick:hat-1.x+", 0, 0, 5},
                                       {"hat", 3, 4, 4, "stick:hat-1.y+", 0, 0, 5},
                                       {"hat", 3, 8, 8, "stick:hat-1.y-", 0, 0, 5}};

/* --- all of them
 * ------------------------------------------------------------------------------------- */

#define USB(numbers, how, vendor, product, layout_)                                                \
    {                                                                                              \
        {numbers, how, 3, vendor, product, NULL, 0, NULL},                                         \
        {                                                                                          \
            &layout_, NULL, 0, NULL, NULL, {0}, 0, 0, true                                         \
        }                                                                                          \
    }
#define HID(numbers, how, bus, vendor, product, layout_)                                           \
    {                                                                                              \
        {numbers, how, bus, vendor, product, NULL, 0, NULL},                                       \
        {                                                                                          \
            &layout_, NULL, 0, NULL, NULL, {0}, 0, 0, false                                        \
        }                                                                                          \
    }
#define RUMBLE "HID, rumble"

static struct entry {
    driver about;
    hardware hardware;
} entries[] = {
    {{"054c:0ce6", "HID, handshake", 3, 0x054c, 0x0ce6, ce6_things, COUNT_OF(ce6_things), ENDS},
     {NULL,
      ce6_descriptor,
      sizeof ce6_descriptor,
      ce6_features,
      NULL,
      {1, 128, 128, 128, 128, 0, 0, 0, 8, [33] = 0x80, [37] = 0x80},
      64,
      0,
      false}},
    {{"054c:09cc", "HID, handshake", 3, 0x054c, 0x09cc, cc_things, COUNT_OF(cc_things), ENDS},
     {NULL,
      cc_descriptor,
      sizeof cc_descriptor,
      cc_features,
      NULL,
      {1, 128, 128, 128, 128, 8, [35] = 0x80, [39] = 0x80},
      64,
      0,
      false}},
    {{"057e:2009", "HID, handshake", 3, 0x057e, 0x2009, nine_things, COUNT_OF(nine_things), NULL},
     {NULL,
      nine_descriptor,
      sizeof nine_descriptor,
      NULL,
      nine_outputs,
      {0x30, 0, 0x90, 0, 0, 0, 0xd0, 0x07, 0x7d, 0xd0, 0x07, 0x7d},
      64,
      0,
      false}},
    {{"28de:1102", "HID, handshake", 3, 0x28de, 0x1102, two8_things, COUNT_OF(two8_things), ENDS},
     {NULL,
      two8_descriptor,
      sizeof two8_descriptor,
      two8_features,
      NULL,
      {1, 0, 1, 60},
      64,
      0,
      false}},
    {{"045e:028e", "USB, no HID", 3, 0x045e, 0x028e, usb_28e_things, COUNT_OF(usb_28e_things),
      NULL},
     {NULL, NULL, 0, NULL, NULL, {0, 20}, 20, 0, true}},
    HID("045e:0b05", "HID over the air", 5, 0x045e, 0x0b05, gamepad_gas),
    HID("0001:0016", "HID, no driver", 3, 0x0001, 0x0016, gamepad_gas),
    HID("0001:0017", "HID, no driver", 3, 0x0001, 0x0017, gamepad_rx),
    HID("0001:0018", "HID, no driver", 3, 0x0001, 0x0018, gamepad_7),
    HID("0079:0006", RUMBLE, 3, 0x0079, 0x0006, joystick_7),
    HID("0810:0001", RUMBLE ", two pads", 3, 0x0810, 0x0001, joystick_twice),
    HID("6666:8801", RUMBLE, 3, 0x6666, 0x8801, joystick_7),
    HID("0c12:0005", RUMBLE, 3, 0x0c12, 0x0005, joystick_4x1),
    HID("044f:b304", RUMBLE, 3, 0x044f, 0xb304, joystick_7),
    HID("0e8f:0012", RUMBLE, 3, 0x0e8f, 0x0012, joystick_7),
    HID("2006:0118", RUMBLE, 3, 0x2006, 0x0118, joystick_7),
    HID("1241:5015", RUMBLE, 3, 0x1241, 0x5015, joystick_7),
    HID("11c0:5506", RUMBLE, 3, 0x11c0, 0x5506, joystick_4x1),
    HID("0079:1801", RUMBLE ", two pads", 3, 0x0079, 0x1801, joystick_twice),
    HID("11ff:3331", "HID, mended", 3, 0x11ff, 0x3331, joystick_7),
    HID("16c0:05e1", "HID, two panels", 3, 0x16c0, 0x05e1, joystick_twice),
    HID("0403:97c1", "HID, adapter", 3, 0x0403, 0x97c1, joystick_7),
    HID("1a34:0802", RUMBLE, 3, 0x1a34, 0x0802, gamepad_7),
    USB("046d:c218", RUMBLE ", by USB", 0x046d, 0xc218, joystick_7),
    USB("046d:c215", "HID, by USB", 0x046d, 0xc215, stick_throttle),
    USB("046d:c29b", "HID, by USB", 0x046d, 0xc29b, wheel_x),
    {{"1038:1410", "HID, wheel", 3, 0x1038, 0x1410, srw_things, COUNT_OF(srw_things), NULL},
     {NULL, srw_descriptor, sizeof srw_descriptor, NULL, NULL, {0, 0, 0, 0, 0, 8}, 16, 0, false}},
    {{"line 0x1e", "serial line", BUS_RS232, SERIO_STINGER, 1, stinger_things,
      COUNT_OF(stinger_things), NULL},
     {NULL, NULL, 0, NULL, NULL, {0}, 4, SERIO_STINGER, false}},
    {{"line 0x18", "serial line", BUS_RS232, SERIO_WARRIOR, 1, warrior_things,
      COUNT_OF(warrior_things), NULL},
     {NULL, NULL, 0, NULL, NULL, {0}, 4, SERIO_WARRIOR, false}},
};

static hardware *hardware_of(const driver *driver)
{
    for (size_t i = 0; i < COUNT_OF(entries); i++)
        if (&entries[i].about == driver || entries[i].about.numbers == driver->numbers)
            return &entries[i].hardware;
    return NULL;
}

const driver *driver_list(uint32_t *count)
{
    static driver list[COUNT_OF(entries)];
    static thing things[COUNT_OF(entries)][THINGS_MOST];

    /* By these bytes the driver knows the descriptor for which it has a better one. */
    srw_descriptor[11] = 0x02;
    srw_descriptor[13] = 0xc8;
    srw_descriptor[29] = 0xbb;
    srw_descriptor[40] = 0xc5;
    for (size_t i = 0; i < COUNT_OF(entries); i++) {
        struct entry *entry = &entries[i];
        const layout *layout = entry->hardware.layout;
        if (layout) {
            bool wheel = layout == &wheel_x, stick = layout == &stick_throttle;
            entry->about.things = things[i];
            if (layout->ends) entry->about.unread = ENDS;
            entry->about.count = list_things(layout, things[i], !wheel && !stick);
            entry->hardware.size = rest_of(layout, entry->hardware.rest);
            for (uint32_t t = 0; wheel && t < entry->about.count; t++)
                if (things[i][t].control && strncmp(things[i][t].control, "stick:hat", 9) == 0)
                    things[i][t].control =
                        (const char *[]){"wheel:hat-1.y+", "wheel:hat-1.x+", "wheel:hat-1.y-",
                                         "wheel:hat-1.x-"}[things[i][t].value / 2];
        }
        list[i] = entry->about;
    }
    *count = COUNT_OF(entries);
    return list;
}

/* --- plugging
 * -------------------------------------------------------------------------------------- */

static int fd = -1, line = -1;
static pthread_t liner;

/* The line discipline feeds the driver as long as somebody reads. */
static void *hold_line(void *unused)
{
    char none;

    (void)unused;
    if (read(line, &none, 1) < 0) return NULL;
    return NULL;
}

static void plug_line(int serio)
{
    int discipline = N_MOUSE;
    unsigned long type = (unsigned long)serio;
    struct termios raw;

    fd = posix_openpt(O_RDWR | O_NOCTTY);
    if (fd < 0 || grantpt(fd) != 0 || unlockpt(fd) != 0)
        plug_failed("open a line", strerror(errno));
    line = open(ptsname(fd), O_RDWR | O_NOCTTY);
    tcgetattr(line, &raw);
    cfmakeraw(&raw);
    tcsetattr(line, TCSANOW, &raw);
    if (ioctl(line, TIOCSETD, &discipline) < 0) plug_failed("set a line up", strerror(errno));
    if (ioctl(line, SPIOCSTYPE, &type) < 0) plug_failed("say what is on a line", strerror(errno));
    pthread_create(&liner, NULL, hold_line, NULL);
}

struct usb_speed {
    struct usb_interface_descriptor interface;
    struct usb_endpoint_descriptor_no_audio in, out;
} __attribute__((packed));

/* A USB device with an interface of a vendor's own, by a gadget and a dummy controller. */
static void plug_usb(const driver *driver)
{
    static const struct usb_speed speed = {
        {sizeof speed.interface, USB_DT_INTERFACE, 0, 0, 2, 0xff, 0x5d, 0x01, 1},
        {sizeof speed.in, USB_DT_ENDPOINT, USB_DIR_IN | 1, USB_ENDPOINT_XFER_INT, 32, 4},
        {sizeof speed.out, USB_DT_ENDPOINT, USB_DIR_OUT | 2, USB_ENDPOINT_XFER_INT, 32, 8}};
    struct {
        struct usb_functionfs_descs_head_v2 head;
        uint32_t full, high;
        struct usb_speed of_full, of_high;
    } __attribute__((packed)) about = {{FUNCTIONFS_DESCRIPTORS_MAGIC_V2, sizeof about,
                                        FUNCTIONFS_HAS_FS_DESC | FUNCTIONFS_HAS_HS_DESC},
                                       3,
                                       3,
                                       speed,
                                       speed};
    struct {
        struct usb_functionfs_strings_head head;
        uint16_t language;
        char text[4];
    } __attribute__((packed))
    texts = {{FUNCTIONFS_STRINGS_MAGIC, sizeof texts, 1, 1}, 0x409, "pad"};
    char command[512];
    int control;

    snprintf(command, sizeof command,
             "mount -t configfs c /sys/kernel/config; mkdir /sys/kernel/config/usb_gadget/g;"
             "cd /sys/kernel/config/usb_gadget/g; echo 0x%04x >idVendor; echo 0x%04x >idProduct;"
             "echo 0xff >bDeviceClass; mkdir strings/0x409 configs/c.1 functions/ffs.p;"
             "echo Pad >strings/0x409/product; ln -s functions/ffs.p configs/c.1/;"
             "mkdir /ffs; mount -t functionfs p /ffs",
             driver->vendor, driver->product);
    if (system(command) != 0) plug_failed("set a USB device up", "by configfs");
    control = open("/ffs/ep0", O_RDWR);
    if (write(control, &about, sizeof about) < 0 || write(control, &texts, sizeof texts) < 0)
        plug_failed("describe a USB device", strerror(errno));
    fd = open("/ffs/ep1", O_RDWR);
    if (system("ls /sys/class/udc > /sys/kernel/config/usb_gadget/g/UDC") != 0)
        plug_failed("plug a USB device in", "by configfs");
}

static void shell(const char *what, const char *command)
{
    if (system(command) != 0) plug_failed(what, "by configfs");
}

/* A USB device with a HID interface: for drivers that look at more than HID. */
static void plug_usb_hid(const driver *driver, const hardware *it)
{
    bytes descriptor = {{0}, 0};
    char command[1024];
    int file;

    describe(&descriptor, it->layout);
    snprintf(command, sizeof command,
             "[ -d /sys/kernel/config/usb_gadget ] || mount -t configfs c /sys/kernel/config;"
             "mkdir /sys/kernel/config/usb_gadget/h && cd /sys/kernel/config/usb_gadget/h &&"
             "echo 0x%04x >idVendor && echo 0x%04x >idProduct && mkdir strings/0x409 configs/c.1 "
             "functions/hid.0 && echo Stick >strings/0x409/product &&"
             "echo %u >functions/hid.0/report_length",
             driver->vendor, driver->product, (unsigned)it->size);
    shell("set a USB device up", command);
    file = open("/sys/kernel/config/usb_gadget/h/functions/hid.0/report_desc", O_WRONLY);
    if (write(file, descriptor.list, descriptor.count) < 0)
        plug_failed("describe a USB device", strerror(errno));
    close(file);
    shell("plug a USB device in", "cd /sys/kernel/config/usb_gadget/h && ln -s functions/hid.0 "
                                  "configs/c.1/ && ls /sys/class/udc > UDC");
    usleep(300000);
    fd = open("/dev/hidg0", O_RDWR);
    if (fd < 0) plug_failed("open a USB device", strerror(errno));
}

static void unplug_usb_hid(void)
{
    close(fd);
    shell("unplug a USB device",
          "cd /sys/kernel/config/usb_gadget/h && echo > UDC; rm configs/c.1/hid.0;"
          "rmdir functions/hid.0 strings/0x409 configs/c.1 && cd / &&"
          "rmdir /sys/kernel/config/usb_gadget/h");
}

void driver_plug(const driver *driver)
{
    hardware *it = hardware_of(driver);
    plug_id id = {"Census", driver->bus, driver->vendor, driver->product, "census/input0"};
    bytes descriptor = {{0}, 0};

    if (it->serio) {
        plug_line(it->serio);
    } else if (it->usb && it->layout) {
        plug_usb_hid(driver, it);
    } else if (it->usb) {
        plug_usb(driver);
    } else if (it->layout) {
        describe(&descriptor, it->layout);
        fd = plug_hid(id, descriptor.list, descriptor.count, NULL);
    } else {
        fd = plug_hid_that_answers(id, it->descriptor, it->descriptor_size, it->features,
                                   it->outputs);
    }
}

void driver_unplug(const driver *driver)
{
    const hardware *it = hardware_of(driver);

    if (it->serio) {
        close(fd); /* which hangs the line up: its reader returns */
        pthread_join(liner, NULL);
        close(line);
    } else if (it->usb && it->layout) {
        unplug_usb_hid();
    } else if (it->usb) {
        if (system("echo > /sys/kernel/config/usb_gadget/g/UDC") != 0) perror("census");
        close(fd);
    } else {
        plug_hid_out(fd);
        close(fd);
    }
}

/* --- pressing
 * ------------------------------------------------------------------------------------- */

static void send(const hardware *it, uint8_t *report)
{
    if (!it->serio && !it->usb)
        plug_hid_report(fd, report, it->size);
    else if (write(fd, report, it->size) < 0)
        plug_failed("send a report", strerror(errno));
}

/* Each of a line's packets has its number in its first byte's high bits. */
static void send_packet(const hardware *it, const thing *thing, uint8_t *report)
{
    if (it->serio == SERIO_WARRIOR) report[0] |= (uint8_t)(0x80 | (thing ? thing->packet : 1) << 4);
    send(it, report);
}

void driver_press(const driver *driver, const thing *thing, bool down)
{
    hardware *it = hardware_of(driver);
    uint8_t report[64];

    memcpy(report, it->rest, sizeof report);
    if (thing && thing->packet == 5) report[1] = 0x70; /* the throttle, all the way back */
    if (thing && down) {
        report[thing->at] = (uint8_t)((report[thing->at] & ~thing->mask) | thing->value);
        if (thing->next) report[thing->at + 1] |= thing->next;
    }
    send_packet(it, thing, report);
}
