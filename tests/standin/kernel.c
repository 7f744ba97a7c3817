#include "kernel.h"
#include <errno.h>
#include <fcntl.h>
#include <stdarg.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/ioctl.h>
#include <sys/stat.h>
#include <time.h>
#include <unistd.h>

int __real_ioctl(int fd, unsigned long request, void *at);
int __wrap_ioctl(int fd, unsigned long request, ...);
ssize_t __real_read(int fd, void *buffer, size_t size);
ssize_t __wrap_read(int fd, void *buffer, size_t size);
int __real_epoll_wait(int fd, void *events, int most, int timeout);
int __wrap_epoll_wait(int fd, void *events, int most, int timeout);

static standin_node nodes[STANDIN_NODES];
static char folder[64];
static bool any_gone; /* until then reads need not be looked at: benches time them */

const char *standin_folder(void)
{
    if (!*folder) {
        strcpy(folder, "/tmp/nestplug-standin-XXXXXX");
        if (!mkdtemp(folder)) abort();
    }
    return folder;
}

void standin_clean(void)
{
    for (int i = 0; i < STANDIN_NODES; i++)
        if (nodes[i].used) standin_unplug(&nodes[i]);
    rmdir(standin_folder());
    folder[0] = 0;
}

static void hidden_path(const standin_node *node, char *path, size_t size)
{
    snprintf(path, size, "%s.hidden", node->path);
    *(strrchr(path, '/') + 1) = '.';
}

void standin_show(const standin_node *node)
{
    char hidden[140];

    hidden_path(node, hidden, sizeof hidden);
    if (link(hidden, node->path) != 0 || unlink(hidden) != 0) abort();
}

standin_node *standin_plug(unsigned number)
{
    standin_node *node = NULL;
    struct stat about;
    char hidden[140];

    for (int i = 0; !node && i < STANDIN_NODES; i++)
        if (!nodes[i].used) node = &nodes[i];
    if (!node) abort();
    memset(node, 0, sizeof *node);
    snprintf(node->path, sizeof node->path, "%s/event%u", standin_folder(), number);
    hidden_path(node, hidden, sizeof hidden);
    if (mkfifo(hidden, 0600) != 0 || stat(hidden, &about) != 0) abort();
    node->inode = about.st_ino;
    node->writer = open(hidden, O_RDWR | O_NONBLOCK | O_CLOEXEC);
    node->used = true;
    return node;
}

void standin_set(unsigned char *bits, unsigned code)
{
    bits[code / 8] = (unsigned char)(bits[code / 8] | 1u << (code % 8));
}

/* The place stays taken until the port has read that the node is gone. */
void standin_unplug(standin_node *node)
{
    struct input_event last = {0};

    node->gone = any_gone = true;
    standin_write(node, &last, sizeof last);
    unlink(node->path);
    close(node->writer);
    node->used = false;
}

void standin_write(standin_node *node, const void *bytes, size_t size)
{
    if (write(node->writer, bytes, size) < 0 && errno != EAGAIN) abort();
}

void standin_say(standin_node *node, int type, int code, int value)
{
    struct input_event event = {.type = (uint16_t)type, .code = (uint16_t)code, .value = value};
    struct timespec now;

    clock_gettime(CLOCK_MONOTONIC, &now);
    event.input_event_sec = now.tv_sec;
    event.input_event_usec = now.tv_nsec / 1000;
    standin_write(node, &event, sizeof event);
}

void standin_frame(standin_node *node, int type, int code, int value)
{
    standin_say(node, type, code, value);
    standin_say(node, EV_SYN, SYN_REPORT, 0);
}

standin_node *standin_heron(unsigned number)
{
    static const int keys[] = {BTN_SOUTH, BTN_EAST, BTN_WEST, BTN_NORTH, BTN_START};
    standin_node *node = standin_plug(number);

    node->id = (struct input_id){BUS_USB, 0xb12d, 0x0101, 0x0100};
    strcpy(node->name, "Heron Pad");
    for (size_t i = 0; i < sizeof keys / sizeof *keys; i++)
        standin_set(node->key, (unsigned)keys[i]);
    for (unsigned code = ABS_X; code <= ABS_RZ; code++) {
        standin_set(node->abs, code);
        node->info[code].minimum = code == ABS_Z || code == ABS_RZ ? 0 : -32768;
        node->info[code].maximum = code == ABS_Z || code == ABS_RZ ? 1023 : 32767;
    }
    standin_show(node);
    return node;
}

/* --- the wrapped calls ---------------------------------------------------------------------- */

static standin_node *node_of(int fd)
{
    struct stat about;

    if (fstat(fd, &about) != 0 || !S_ISFIFO(about.st_mode)) return NULL;
    for (int i = 0; i < STANDIN_NODES; i++)
        if (nodes[i].inode == about.st_ino) return &nodes[i];
    return NULL;
}

static int give(void *into, size_t room, const void *from, size_t size)
{
    memset(into, 0, room);
    memcpy(into, from, size < room ? size : room);
    return (int)(size < room ? size : room);
}

static int give_bits(const standin_node *node, unsigned type, void *into, size_t room)
{
    if (type == EV_KEY) return give(into, room, node->key, sizeof node->key);
    if (type == EV_ABS) return give(into, room, node->abs, sizeof node->abs);
    if (type == EV_REL) return give(into, room, node->rel, sizeof node->rel);
    memset(into, 0, room);
    return 0;
}

static int answer(const standin_node *node, unsigned long request, void *at)
{
    unsigned number = _IOC_NR(request);
    size_t room = _IOC_SIZE(request);

    if (node->gone) {
        errno = ENODEV;
        return -1;
    }
    if (request == EVIOCSCLOCKID) return 0;
    if (number == _IOC_NR(EVIOCGID)) return give(at, room, &node->id, sizeof node->id);
    if (number == _IOC_NR(EVIOCGNAME(0))) return give(at, room, node->name, strlen(node->name));
    if (number == _IOC_NR(EVIOCGPHYS(0))) return give(at, room, node->phys, strlen(node->phys));
    if (number == _IOC_NR(EVIOCGUNIQ(0))) return give(at, room, node->uniq, strlen(node->uniq));
    if (number == _IOC_NR(EVIOCGKEY(0))) return give(at, room, node->down, sizeof node->down);
    if (number >= 0x20 && number < 0x20 + EV_CNT) return give_bits(node, number - 0x20, at, room);
    if (number >= 0x40 && number < 0x40 + ABS_CNT)
        return give(at, room, &node->info[number - 0x40], sizeof node->info[0]) > 0 ? 0 : -1;
    errno = EINVAL;
    return -1;
}

int __wrap_ioctl(int fd, unsigned long request, ...)
{
    standin_node *node = _IOC_TYPE(request) == 'E' ? node_of(fd) : NULL;
    va_list list;
    void *at;

    va_start(list, request);
    at = va_arg(list, void *);
    va_end(list);
    return node ? answer(node, request, at) : __real_ioctl(fd, request, at);
}

ssize_t __wrap_read(int fd, void *buffer, size_t size)
{
    const standin_node *node = any_gone ? node_of(fd) : NULL;

    if (node && node->gone) {
        errno = ENODEV;
        return -1;
    }
    return __real_read(fd, buffer, size);
}

static unsigned waits;

unsigned standin_waits(void)
{
    return __atomic_load_n(&waits, __ATOMIC_RELAXED);
}

int __wrap_epoll_wait(int fd, void *events, int most, int timeout)
{
    __atomic_add_fetch(&waits, 1, __ATOMIC_RELAXED);
    return __real_epoll_wait(fd, events, most, timeout);
}
