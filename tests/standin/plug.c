#include "plug.h"
#include <dirent.h>
#include <errno.h>
#include <fcntl.h>
#include <linux/uhid.h>
#include <linux/uinput.h>
#include <pthread.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/ioctl.h>
#include <unistd.h>

static void must(bool good, const char *what)
{
    if (!good) plug_failed(what, strerror(errno));
}

/* --- uinput --------------------------------------------------------------------------------- */

int plug_begin(void)
{
    int fd = open("/dev/uinput", O_RDWR | O_NONBLOCK | O_CLOEXEC);

    must(fd >= 0, "open /dev/uinput");
    return fd;
}

void plug_key(int fd, int code)
{
    must(ioctl(fd, UI_SET_EVBIT, EV_KEY) >= 0, "set a device up");
    must(ioctl(fd, UI_SET_KEYBIT, code) >= 0, "set a device up");
}

void plug_rel(int fd, int code)
{
    must(ioctl(fd, UI_SET_EVBIT, EV_REL) >= 0, "set a device up");
    must(ioctl(fd, UI_SET_RELBIT, code) >= 0, "set a device up");
}

/* Setting an axis up does not announce that there are axes. */
void plug_abs(int fd, int code, struct input_absinfo range)
{
    struct uinput_abs_setup setup = {.code = (uint16_t)code, .absinfo = range};

    must(ioctl(fd, UI_SET_EVBIT, EV_ABS) >= 0, "set a device up");
    must(ioctl(fd, UI_ABS_SETUP, &setup) >= 0, "set a device up");
}

void plug_property(int fd, int property)
{
    must(ioctl(fd, UI_SET_PROPBIT, property) >= 0, "set a device up");
}

void plug_rumble(int fd)
{
    must(ioctl(fd, UI_SET_EVBIT, EV_FF) >= 0, "set a device up");
    must(ioctl(fd, UI_SET_FFBIT, FF_RUMBLE) >= 0, "set a device up");
}

void plug_end(int fd, plug_id id)
{
    struct uinput_setup setup = {.id = {id.bus, id.vendor, id.product, 0x0100},
                                 .ff_effects_max = 4};

    snprintf(setup.name, sizeof setup.name, "%s", id.name);
    if (id.phys) ioctl(fd, UI_SET_PHYS, id.phys);
    must(ioctl(fd, UI_DEV_SETUP, &setup) >= 0, "set a device up");
    must(ioctl(fd, UI_DEV_CREATE) >= 0, "create a device");
}

void plug_out(int fd)
{
    ioctl(fd, UI_DEV_DESTROY);
    close(fd);
}

void plug_say(int fd, int type, int code, int value)
{
    struct input_event event = {.type = (uint16_t)type, .code = (uint16_t)code, .value = value};

    must(write(fd, &event, sizeof event) == (ssize_t)sizeof event, "say an event");
}

void plug_sync(int fd)
{
    plug_say(fd, EV_SYN, SYN_REPORT, 0);
}

int plug_heron(const char *phys)
{
    static const int keys[] = {BTN_SOUTH,  BTN_EAST,  BTN_WEST, BTN_NORTH,  BTN_TL,    BTN_TR,
                               BTN_SELECT, BTN_START, BTN_MODE, BTN_THUMBL, BTN_THUMBR};
    static const int sticks[] = {ABS_X, ABS_Y, ABS_RX, ABS_RY};
    struct input_absinfo stick = {.minimum = -32768, .maximum = 32767};
    struct input_absinfo trigger = {.minimum = 0, .maximum = 1023};
    struct input_absinfo hat = {.minimum = -1, .maximum = 1};
    plug_id id = {"Heron Pad", BUS_USB, 0xb12d, 0x0101, phys};
    int fd = plug_begin();

    for (size_t i = 0; i < sizeof keys / sizeof *keys; i++)
        plug_key(fd, keys[i]);
    for (size_t i = 0; i < 4; i++)
        plug_abs(fd, sticks[i], stick);
    plug_abs(fd, ABS_Z, trigger);
    plug_abs(fd, ABS_RZ, trigger);
    plug_abs(fd, ABS_HAT0X, hat);
    plug_abs(fd, ABS_HAT0Y, hat);
    plug_rumble(fd);
    plug_end(fd, id);
    return fd;
}

void plug_node(int fd, char *path, size_t size)
{
    char name[64], folder[128];
    struct dirent *entry;
    DIR *dir;

    must(ioctl(fd, UI_GET_SYSNAME(sizeof name), name) >= 0, "set a device up");
    snprintf(folder, sizeof folder, "/sys/devices/virtual/input/%s", name);
    dir = opendir(folder);
    must(dir != NULL, "find a node");
    path[0] = 0;
    while ((entry = readdir(dir)) != NULL)
        if (strncmp(entry->d_name, "event", 5) == 0)
            snprintf(path, size, "/dev/input/%.32s", entry->d_name);
    closedir(dir);
}

/* --- uhid ----------------------------------------------------------------------------------- */

typedef struct server {
    int fd;
    plug_feature features;
    plug_output outputs;
} server;

static void answer(int fd, const struct uhid_event *asked, plug_feature features)
{
    struct uhid_event reply;

    memset(&reply, 0, sizeof reply);
    if (asked->type == UHID_GET_REPORT) {
        reply.type = UHID_GET_REPORT_REPLY;
        reply.u.get_report_reply.id = asked->u.get_report.id;
        if (features)
            reply.u.get_report_reply.size =
                (uint16_t)features(asked->u.get_report.rnum, reply.u.get_report_reply.data);
        if (!reply.u.get_report_reply.size) reply.u.get_report_reply.err = EIO;
    } else if (asked->type == UHID_SET_REPORT) {
        reply.type = UHID_SET_REPORT_REPLY;
        reply.u.set_report_reply.id = asked->u.set_report.id;
    } else {
        return;
    }
    if (write(fd, &reply, sizeof reply) < 0) perror("uhid");
}

static void *serve(void *self)
{
    server *one = (server *)self;
    struct uhid_event event;

    while (read(one->fd, &event, sizeof event) > 0) {
        answer(one->fd, &event, one->features);
        if (event.type == UHID_OUTPUT && one->outputs)
            one->outputs(one->fd, event.u.output.data, event.u.output.size);
        if (event.type == UHID_STOP) break;
    }
    free(one);
    return NULL;
}

int plug_hid_that_answers(plug_id id, const uint8_t *descriptor, size_t size, plug_feature features,
                          plug_output outputs)
{
    struct uhid_event event = {.type = UHID_CREATE2};
    server *one = (server *)malloc(sizeof *one);
    pthread_t thread;
    int fd = open("/dev/uhid", O_RDWR | O_CLOEXEC);

    must(fd >= 0 && one != NULL, "open /dev/uhid");
    snprintf((char *)event.u.create2.name, sizeof event.u.create2.name, "%s", id.name);
    if (id.phys) snprintf((char *)event.u.create2.phys, sizeof event.u.create2.phys, "%s", id.phys);
    event.u.create2.rd_size = (uint16_t)size;
    memcpy(event.u.create2.rd_data, descriptor, size);
    event.u.create2.bus = id.bus;
    event.u.create2.vendor = id.vendor;
    event.u.create2.product = id.product;
    *one = (server){fd, features, outputs};
    pthread_create(&thread, NULL, serve, one);
    pthread_detach(thread);
    must(write(fd, &event, sizeof event) > 0, "write to uhid");
    usleep(100000);
    return fd;
}

int plug_hid(plug_id id, const uint8_t *descriptor, size_t size, plug_feature features)
{
    return plug_hid_that_answers(id, descriptor, size, features, NULL);
}

void plug_hid_report(int fd, const uint8_t *data, size_t size)
{
    struct uhid_event event = {.type = UHID_INPUT2};

    event.u.input2.size = (uint16_t)size;
    memcpy(event.u.input2.data, data, size);
    must(write(fd, &event, sizeof event) > 0, "write to uhid");
}

void plug_hid_out(int fd)
{
    struct uhid_event event = {.type = UHID_DESTROY};

    must(write(fd, &event, sizeof event) > 0, "write to uhid");
}
