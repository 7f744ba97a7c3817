/* guest-kind KIND: plugs one made-up device of a kind in, plays it for a second, and unplugs it
 * while something is held: for recordings. */
#include "../standin/drivers.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

void plug_failed(const char *what, const char *why)
{
    fprintf(stderr, "guest-kind: cannot %s: %s\n", what, why);
    exit(1);
}

#define FRAMES 30 /* of a thirtieth of a second */

static struct input_absinfo from_to(int low, int high, int rest)
{
    struct input_absinfo range = {.minimum = low, .maximum = high, .value = rest};
    return range;
}

static void keys(int fd, const int *codes, size_t count)
{
    for (size_t i = 0; i < count; i++)
        plug_key(fd, codes[i]);
}

/* A pad as most are: a hat for its d-pad, no sheet of its own. */
static int plug_hats(void)
{
    static const int codes[] = {BTN_SOUTH, BTN_EAST, BTN_WEST,   BTN_NORTH, BTN_TL,
                                BTN_TR,    BTN_MODE, BTN_SELECT, BTN_START};
    plug_id id = {"Knot Pad", BUS_USB, 0xb12d, 0x0f01, "quay-1/input0"};
    int fd = plug_begin();

    keys(fd, codes, sizeof codes / sizeof *codes);
    for (int axis = ABS_X; axis <= ABS_RZ; axis++)
        plug_abs(fd, axis,
                 axis == ABS_Z || axis == ABS_RZ ? from_to(0, 255, 0) : from_to(-32768, 32767, 0));
    plug_abs(fd, ABS_HAT0X, from_to(-1, 1, 0));
    plug_abs(fd, ABS_HAT0Y, from_to(-1, 1, 0));
    plug_end(fd, id);
    return fd;
}

static void play_hats(int fd, int frame)
{
    plug_say(fd, EV_ABS, ABS_HAT0X, frame % 3 - 1);
    plug_say(fd, EV_ABS, ABS_HAT0Y, frame / 3 % 3 - 1);
    plug_say(fd, EV_ABS, ABS_RZ, frame * 8);
    plug_say(fd, EV_KEY, BTN_SOUTH, frame / 5 % 2);
}

/* Three pedals that lie at their high end. */
static int plug_wheel(void)
{
    static const int codes[] = {BTN_TRIGGER, BTN_THUMB, BTN_GEAR_DOWN, BTN_GEAR_UP};
    plug_id id = {"Plover Wheel", BUS_USB, 0xb12d, 0x0f02, "quay-1/input0"};
    int fd = plug_begin();

    keys(fd, codes, sizeof codes / sizeof *codes);
    plug_abs(fd, ABS_WHEEL, from_to(0, 65535, 32768));
    plug_abs(fd, ABS_GAS, from_to(0, 255, 255));
    plug_abs(fd, ABS_BRAKE, from_to(0, 255, 255));
    plug_abs(fd, ABS_RZ, from_to(0, 255, 255));
    plug_end(fd, id);
    return fd;
}

static void play_wheel(int fd, int frame)
{
    plug_say(fd, EV_ABS, ABS_WHEEL, 32768 + frame * 1000);
    plug_say(fd, EV_ABS, frame % 2 ? ABS_GAS : ABS_RZ, 255 - frame * 8);
    plug_say(fd, EV_KEY, BTN_GEAR_UP, frame / 4 % 2);
}

static int plug_stick(void)
{
    static const int codes[] = {BTN_TRIGGER, BTN_THUMB, BTN_THUMB2,
                                BTN_TOP,     BTN_DEAD,  BTN_TRIGGER_HAPPY1};
    plug_id id = {"Ruff Stick", BUS_USB, 0xb12d, 0x0f03, "quay-1/input0"};
    int fd = plug_begin();

    keys(fd, codes, sizeof codes / sizeof *codes);
    plug_abs(fd, ABS_X, from_to(0, 1023, 512));
    plug_abs(fd, ABS_Y, from_to(0, 1023, 512));
    plug_abs(fd, ABS_RZ, from_to(0, 255, 128));
    plug_abs(fd, ABS_THROTTLE, from_to(0, 255, 255));
    plug_abs(fd, ABS_HAT0X, from_to(-1, 1, 0));
    plug_end(fd, id);
    return fd;
}

static void play_stick(int fd, int frame)
{
    plug_say(fd, EV_ABS, ABS_X, 512 + frame * 16);
    plug_say(fd, EV_ABS, ABS_THROTTLE, 255 - frame * 8);
    plug_say(fd, EV_ABS, ABS_HAT0X, frame % 3 - 1);
    plug_say(fd, EV_KEY, BTN_DEAD, frame / 5 % 2);
}

static int plug_screen(void)
{
    plug_id id = {"Tern Screen", BUS_USB, 0xb12d, 0x0f04, "quay-1/input0"};
    struct input_absinfo wide = from_to(0, 3439, 0), high = from_to(0, 1939, 0);
    int fd = plug_begin();

    wide.resolution = high.resolution = 10;
    plug_property(fd, INPUT_PROP_DIRECT);
    plug_key(fd, BTN_TOUCH);
    plug_abs(fd, ABS_MT_SLOT, from_to(0, 4, 0));
    plug_abs(fd, ABS_MT_TRACKING_ID, from_to(0, 65535, 0));
    plug_abs(fd, ABS_MT_POSITION_X, wide);
    plug_abs(fd, ABS_MT_POSITION_Y, high);
    plug_end(fd, id);
    return fd;
}

/* The finger in slot 1 is replaced by another one without an end. */
static void play_screen(int fd, int frame)
{
    plug_say(fd, EV_ABS, ABS_MT_SLOT, frame % 2);
    plug_say(fd, EV_ABS, ABS_MT_TRACKING_ID, frame % 2 ? frame : frame / 10);
    plug_say(fd, EV_ABS, ABS_MT_POSITION_X, frame * 100);
    plug_say(fd, EV_ABS, ABS_MT_POSITION_Y, frame * 50);
    plug_say(fd, EV_KEY, BTN_TOUCH, 1);
}

static int plug_mouse(void)
{
    static const int codes[] = {BTN_LEFT,  BTN_RIGHT,   BTN_MIDDLE, BTN_SIDE,
                                BTN_EXTRA, BTN_FORWARD, BTN_BACK,   BTN_TASK};
    plug_id id = {"Sanderling Mouse", BUS_USB, 0xb12d, 0x0f05, "quay-1/input0"};
    int fd = plug_begin();

    keys(fd, codes, sizeof codes / sizeof *codes);
    plug_rel(fd, REL_X);
    plug_rel(fd, REL_Y);
    plug_rel(fd, REL_WHEEL);
    plug_end(fd, id);
    return fd;
}

static void play_mouse(int fd, int frame)
{
    plug_say(fd, EV_REL, REL_X, frame % 7 - 3);
    plug_say(fd, EV_REL, REL_WHEEL, frame % 3 - 1);
    plug_say(fd, EV_KEY, BTN_LEFT + frame / 2 % 8, frame % 2);
}

static const struct {
    const char *name;
    int (*plug)(void);
    void (*play)(int fd, int frame);
} kinds[] = {{"hats", plug_hats, play_hats},
             {"wheel", plug_wheel, play_wheel},
             {"stick", plug_stick, play_stick},
             {"screen", plug_screen, play_screen},
             {"mouse", plug_mouse, play_mouse}};

/* The first of the census: a pad with motion sensors and a touch pad. */
static void play_motion(void)
{
    uint32_t count;
    const driver *pad = driver_list(&count);

    driver_plug(pad);
    usleep(300000);
    for (uint32_t i = 0; i < pad->count; i++) {
        driver_press(pad, &pad->things[i], true);
        usleep(15000);
        driver_press(pad, &pad->things[i], false);
        usleep(15000);
    }
    driver_unplug(pad);
}

static void play_kind(size_t kind)
{
    int fd = kinds[kind].plug();

    usleep(200000);
    for (int frame = 1; frame <= FRAMES; frame++) {
        kinds[kind].play(fd, frame);
        plug_sync(fd);
        usleep(33000);
    }
    plug_out(fd);
}

int main(int argc, char **argv)
{
    const char *name = argc > 1 ? argv[1] : "";

    for (size_t i = 0; i < sizeof kinds / sizeof *kinds; i++)
        if (strcmp(name, kinds[i].name) == 0) play_kind(i);
    if (strcmp(name, "motion") == 0) play_motion();
    return 0;
}
