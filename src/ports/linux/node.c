/* One node: opened, announced with all that it has, and closed. */
#include "linux_port.h"
#include <errno.h>
#include <fcntl.h>
#include <stdio.h>
#include <string.h>
#include <sys/epoll.h>
#include <sys/ioctl.h>
#include <time.h>
#include <unistd.h>

#define LONGS(bits) (((bits) + 8 * sizeof(long) - 1) / (8 * sizeof(long)))

/* What a node can say, as the kernel tells it. */
typedef struct abilities {
    unsigned long key[LONGS(KEY_CNT)], abs[LONGS(ABS_CNT)], rel[LONGS(REL_CNT)], sw[LONGS(SW_CNT)];
    unsigned long properties; /* INPUT_PROP_..., of which the kernel knows less than 32 */
    struct input_id id;
    char name[128], serial[64], socket[96];
} abilities;

static bool has(const unsigned long *bits, unsigned code)
{
    return (bits[code / (8 * sizeof(long))] >> (code % (8 * sizeof(long)))) & 1u;
}

void nl_node_use(nplug_linux *port, nl_node *node, bool used)
{
    uint32_t place = nl_node_number(port, node);

    node->used = used;
    if (used && place >= port->top) port->top = place + 1;
    while (port->top && !port->nodes[port->top - 1].used)
        port->top--;
}

static void path_of(const nplug_linux *port, const char *file, char *path, size_t size)
{
    snprintf(path, size, "%s/%s", port->folder, file);
}

bool nl_node_readable(const nplug_linux *port, const char *file)
{
    char path[128];

    path_of(port, file, path, sizeof path);
    return faccessat(AT_FDCWD, path, R_OK, AT_EACCESS) == 0;
}

/* --- what it is ----------------------------------------------------------------------------- */

static void ask(int fd, abilities *able)
{
    memset(able, 0, sizeof *able);
    ioctl(fd, EVIOCGID, &able->id);
    ioctl(fd, EVIOCGNAME(sizeof able->name - 1), able->name);
    ioctl(fd, EVIOCGUNIQ(sizeof able->serial - 1), able->serial);
    ioctl(fd, EVIOCGPHYS(sizeof able->socket - 1), able->socket);
    ioctl(fd, EVIOCGBIT(EV_KEY, sizeof able->key), able->key);
    ioctl(fd, EVIOCGBIT(EV_ABS, sizeof able->abs), able->abs);
    ioctl(fd, EVIOCGBIT(EV_REL, sizeof able->rel), able->rel);
    ioctl(fd, EVIOCGBIT(EV_SW, sizeof able->sw), able->sw);
    ioctl(fd, EVIOCGPROP(sizeof able->properties), &able->properties);
}

static uint16_t count_bits(const unsigned long *bits, unsigned count)
{
    uint16_t found = 0;

    for (unsigned code = 0; code < count; code++)
        found += has(bits, code);
    return found;
}

/* Letters make a keyboard; a pointer with a left button, that moves or is somewhere, a mouse. */
static bool is_wanted(const nplug_linux *port, const abilities *able)
{
    bool pad = has(able->key, BTN_SOUTH) || has(able->key, BTN_TRIGGER);
    bool keyboard = !pad && has(able->key, KEY_Q) && has(able->key, KEY_P) && has(able->key, KEY_Z);
    bool places = count_bits(able->abs, ABS_CNT) == 2 && has(able->abs, ABS_X) &&
                  has(able->abs, ABS_Y) && !has(able->key, BTN_TOUCH);
    bool mouse = !pad && (places || has(able->rel, REL_X)) && has(able->key, BTN_LEFT);

    if (keyboard && !(port->setup.also & NPLUG_LINUX_KEYBOARDS)) return false;
    return !mouse || (port->setup.also & NPLUG_LINUX_MICE);
}

/* A line of a node's folder in sysfs, for what may not be opened. */
static void read_line(const char *file, const char *what, char *line, size_t size)
{
    char path[160];
    FILE *from;

    snprintf(path, sizeof path, "/sys/class/input/%s/device/%s", file, what);
    from = fopen(path, "re");
    line[0] = 0;
    if (from && fgets(line, (int)size, from)) line[strcspn(line, "\n")] = 0;
    if (from) fclose(from);
}

static uint16_t read_number(const char *file, const char *what)
{
    char line[32];
    unsigned number = 0;

    read_line(file, what, line, sizeof line);
    sscanf(line, "%x", &number);
    return (uint16_t)number;
}

/* A bit of a capability file: words of hexadecimal digits, the highest first. */
static bool file_has(const char *file, const char *what, unsigned code)
{
    char line[512], *word;
    unsigned long bits = 0;

    read_line(file, what, line, sizeof line);
    for (unsigned skip = code / (8 * sizeof(long)); (word = strrchr(line, ' ')) && skip; skip--)
        *word = 0;
    sscanf(word ? word : line, "%lx", &bits);
    return (bits >> (code % (8 * sizeof(long)))) & 1u;
}

/* The lowest word of a file of bits. */
static unsigned long read_bits(const char *file, const char *what)
{
    char line[512], *word;
    unsigned long bits = 0;

    read_line(file, what, line, sizeof line);
    word = strrchr(line, ' ');
    sscanf(word ? word : line, "%lx", &bits);
    return bits;
}

static void ask_sysfs(const char *file, abilities *able)
{
    memset(able, 0, sizeof *able);
    read_line(file, "name", able->name, sizeof able->name);
    read_line(file, "uniq", able->serial, sizeof able->serial);
    read_line(file, "phys", able->socket, sizeof able->socket);
    able->id.bustype = read_number(file, "id/bustype");
    able->id.vendor = read_number(file, "id/vendor");
    able->id.product = read_number(file, "id/product");
    able->id.version = read_number(file, "id/version");
    static const uint16_t keys[] = {BTN_SOUTH, BTN_TRIGGER, BTN_LEFT, KEY_Q, KEY_P, KEY_Z};
    able->properties = read_bits(file, "properties");
    for (unsigned i = 0; i < sizeof keys / sizeof *keys; i++)
        if (file_has(file, "capabilities/key", keys[i]))
            able->key[keys[i] / (8 * sizeof(long))] |= 1ul << (keys[i] % (8 * sizeof(long)));
    if (file_has(file, "capabilities/rel", REL_X)) able->rel[0] |= 1ul << REL_X;
}

/* --- announcing ----------------------------------------------------------------------------- */

static nplug_report report_of(const nplug_linux *port, const nl_node *node, nplug_time now,
                              nplug_report_kind kind)
{
    nplug_report report = {0};

    report.time = now;
    report.device = nl_node_number(port, node);
    report.kind = (uint8_t)kind;
    return report;
}

/* The socket without the interface's number: the same for all nodes of one piece of hardware. */
static bool strip_interface(char *socket)
{
    char *at = strstr(socket, "/input");

    if (!at) return false;
    *at = 0;
    return true;
}

/* Which nodes are one piece of hardware: the same numbers, and the same serial number at the same
 * place.  Where neither is told, nothing is said. */
static void push_texts(nplug_linux *port, nplug_report report, abilities *able)
{
    bool place = strip_interface(able->socket);
    char unit[192];

    nplug_push_text(port->ring, report.time, report.device, NPLUG_TEXT_NAME, able->name);
    nplug_push_text(port->ring, report.time, report.device, NPLUG_TEXT_SERIAL, able->serial);
    nplug_push_text(port->ring, report.time, report.device, NPLUG_TEXT_SOCKET, able->socket);
    if (!place && !*able->serial) return;
    snprintf(unit, sizeof unit, "%04x:%04x %s %s", able->id.vendor, able->id.product, able->serial,
             able->socket);
    nplug_push_text(port->ring, report.time, report.device, NPLUG_TEXT_UNIT, unit);
}

typedef struct range {
    int32_t min, max;
} range;

static void push_signal(nplug_linux *port, nl_node *node, nplug_time now, uint32_t code,
                        nplug_nature nature, range range)
{
    nplug_report report = report_of(port, node, now, NPLUG_REPORT_SIGNAL);

    report.signal = node->signals++;
    report.data.signal.code = code;
    report.data.signal.min = range.min;
    report.data.signal.max = range.max;
    report.data.signal.space = NPLUG_SPACE_EVDEV;
    report.data.signal.nature = (uint8_t)nature;
    nplug_push(port->ring, &report, 1);
}

static void push_detail(nplug_linux *port, const nl_node *node, nplug_time now, uint16_t signal,
                        const struct input_absinfo *info)
{
    nplug_report report = report_of(port, node, now, NPLUG_REPORT_DETAIL);

    if (!info->flat && !info->fuzz && !info->resolution) return;
    report.signal = signal;
    report.data.detail.flat = info->flat;
    report.data.detail.fuzz = info->fuzz;
    report.data.detail.resolution = info->resolution;
    nplug_push(port->ring, &report, 1);
}

static bool is_contact_axis(unsigned code)
{
    return code >= ABS_MT_SLOT;
}

static void push_abs(nplug_linux *port, nl_node *node, nplug_time now, unsigned code)
{
    struct input_absinfo info = {0};
    bool hat = code >= ABS_HAT0X && code <= ABS_HAT3Y;
    range range;

    ioctl(node->fd, EVIOCGABS(code), &info);
    range.min = info.minimum;
    range.max = info.maximum;
    node->abs[code] = node->signals;
    push_signal(port, node, now, (uint32_t)EV_ABS << 16 | code,
                hat ? NPLUG_NATURE_HAT : NPLUG_NATURE_AXIS, range);
    push_detail(port, node, now, node->abs[code], &info);
}

static nplug_nature nature_of_slot(uint16_t code)
{
    if (code == ABS_MT_TRACKING_ID) return NPLUG_NATURE_CONTACT;
    return code == ABS_MT_PRESSURE ? NPLUG_NATURE_AXIS : NPLUG_NATURE_POSITION;
}

/* A contact's signals: the slot stands in the code's upper byte. */
static void push_slots(nplug_linux *port, nl_node *node, nplug_time now, const abilities *able)
{
    for (int slot = 0; slot < node->slots; slot++)
        for (unsigned a = 0; a < NL_SLOT_AXES; a++) {
            struct input_absinfo info = {0};
            range range;
            if (!has(able->abs, nl_slot_codes[a])) continue;
            ioctl(node->fd, EVIOCGABS(nl_slot_codes[a]), &info);
            range.min = info.minimum;
            range.max = info.maximum;
            node->slot[slot][a] = node->signals;
            push_signal(port, node, now,
                        (uint32_t)slot << 24 | (uint32_t)EV_ABS << 16 | nl_slot_codes[a],
                        nature_of_slot(nl_slot_codes[a]), range);
            push_detail(port, node, now, node->slot[slot][a], &info);
        }
}

/* HID Usage Tables, page 0x06 (generic device controls), usage 0x20: battery strength. */
static void push_battery(nplug_linux *port, nl_node *node, nplug_time now)
{
    nplug_report report = report_of(port, node, now, NPLUG_REPORT_SIGNAL);

    report.signal = node->signals++;
    report.data.signal.code = 0x00060020;
    report.data.signal.max = 100;
    report.data.signal.space = NPLUG_SPACE_HID;
    report.data.signal.nature = NPLUG_NATURE_AXIS;
    nplug_push(port->ring, &report, 1);
    if (node->charge < 0) return;
    report = report_of(port, node, now, NPLUG_REPORT_VALUE);
    report.signal = node->battery;
    report.data.value = node->charge;
    nplug_push(port->ring, &report, 1);
}

static void push_signals(nplug_linux *port, nl_node *node, nplug_time now, const abilities *able)
{
    range button = {0, 1}, none = {0, 0};

    for (unsigned code = 0; code < ABS_CNT; code++)
        if (has(able->abs, code) && !is_contact_axis(code)) push_abs(port, node, now, code);
    push_slots(port, node, now, able);
    for (unsigned code = 0; code < REL_CNT; code++) {
        if (!has(able->rel, code)) continue;
        node->rel[code] = node->signals;
        push_signal(port, node, now, (uint32_t)EV_REL << 16 | code, NPLUG_NATURE_DELTA, none);
    }
    for (unsigned code = 0; code < KEY_CNT; code++) {
        if (!has(able->key, code)) continue;
        node->key[code] = node->signals;
        push_signal(port, node, now, (uint32_t)EV_KEY << 16 | code, NPLUG_NATURE_BUTTON, button);
    }
    for (unsigned code = 0; code < SW_CNT; code++) {
        if (!has(able->sw, code)) continue;
        node->sw[code] = node->signals;
        push_signal(port, node, now, (uint32_t)EV_SW << 16 | code, NPLUG_NATURE_BUTTON, button);
    }
    if (!node->has_battery) return;
    node->battery = node->signals;
    push_battery(port, node, now);
}

static int slots_of(int fd, const abilities *able)
{
    struct input_absinfo info = {0};

    if (!has(able->abs, ABS_MT_SLOT) || ioctl(fd, EVIOCGABS(ABS_MT_SLOT), &info) < 0) return 0;
    return info.maximum + 1 < NL_SLOTS ? info.maximum + 1 : NL_SLOTS;
}

static uint16_t count_signals(const nl_node *node, const abilities *able)
{
    uint16_t count = (uint16_t)(count_bits(able->key, KEY_CNT) + count_bits(able->rel, REL_CNT) +
                                count_bits(able->sw, SW_CNT) + count_bits(able->abs, ABS_MT_SLOT));

    for (unsigned a = 0; a < NL_SLOT_AXES; a++)
        if (has(able->abs, nl_slot_codes[a])) count = (uint16_t)(count + node->slots);
    return (uint16_t)(count + node->has_battery);
}

/* What can be written to a node that may be written to. */
static uint16_t abilities_of(const nl_node *node)
{
    unsigned long effects[LONGS(FF_CNT)] = {0};
    uint16_t able = nl_lights_has(node) ? NPLUG_ABILITY_LIGHTS : 0;

    if (node->fd < 0 || node->unreadable || (fcntl(node->fd, F_GETFL) & O_ACCMODE) != O_RDWR)
        return able;
    if (ioctl(node->fd, EVIOCGBIT(EV_FF, sizeof effects), effects) < 0) return able;
    return has(effects, FF_RUMBLE) ? able | NPLUG_ABILITY_RUMBLE : able;
}

static void push_arrival(nplug_linux *port, nl_node *node, nplug_time now, abilities *able)
{
    nplug_report report = report_of(port, node, now, NPLUG_REPORT_ARRIVE);

    report.data.arrive.bus = able->id.bustype;
    report.data.arrive.vendor = able->id.vendor;
    report.data.arrive.product = able->id.product;
    report.data.arrive.version = able->id.version;
    report.data.arrive.signals = node->unreadable ? 0 : count_signals(node, able);
    report.data.arrive.times = NPLUG_TIME_SOURCE_KERNEL;
    report.data.arrive.unreadable = node->unreadable;
    report.data.arrive.properties = (uint32_t)able->properties;
    report.signal = abilities_of(node);
    nplug_push(port->ring, &report, 1);
    push_texts(port, report, able);
    if (!node->unreadable) {
        push_signals(port, node, now, able);
        nl_events_push_values(port, node, now);
    }
    report = report_of(port, node, now, NPLUG_REPORT_READY);
    nplug_push(port->ring, &report, 1);
    nl_battery_tell(port, node, now);
}

/* --- opening and closing -------------------------------------------------------------------- */

static void clear(nl_node *node, const char *file)
{
    memset(node, 0, sizeof *node);
    memset(node->key, 0xff, sizeof node->key);
    memset(node->abs, 0xff, sizeof node->abs);
    memset(node->rel, 0xff, sizeof node->rel);
    memset(node->sw, 0xff, sizeof node->sw);
    memset(node->slot, 0xff, sizeof node->slot);
    node->fd = -1;
    node->effect = node->charge = -1;
    snprintf(node->file, sizeof node->file, "%s", file);
}

static int open_file(const char *path)
{
    int fd = open(path, O_RDWR | O_NONBLOCK | O_CLOEXEC); /* effects are written */

    if (fd < 0 && errno != ENODEV && errno != ENOENT)
        fd = open(path, O_RDONLY | O_NONBLOCK | O_CLOEXEC);
    return fd;
}

static bool announce_unreadable(nplug_linux *port, nl_node *node, nplug_time now)
{
    abilities able;

    ask_sysfs(node->file, &able);
    if (!is_wanted(port, &able)) {
        port->passed_over++;
        return true;
    }
    if (nplug_ring_room(port->ring) < 32) return false;
    nl_node_use(port, node, true);
    node->unreadable = true;
    push_arrival(port, node, now, &able);
    return true;
}

static bool announce(nplug_linux *port, nl_node *node, nplug_time now, abilities *able)
{
    struct epoll_event event = {.events = EPOLLIN, .data = {.ptr = node}};
    int clock = CLOCK_MONOTONIC;

    node->slots = slots_of(node->fd, able);
    nl_battery_find(node, now);
    if (nplug_ring_room(port->ring) < 3u * count_signals(node, able) + 32u) return false;
    ioctl(node->fd, EVIOCSCLOCKID, &clock);
    if (epoll_ctl(port->epoll, EPOLL_CTL_ADD, node->fd, &event) < 0) return false;
    nl_node_use(port, node, true);
    push_arrival(port, node, now, able);
    return true;
}

bool nl_node_open(nplug_linux *port, nl_node *node, const char *file, nplug_time now)
{
    char path[128];
    abilities able;

    clear(node, file);
    path_of(port, file, path, sizeof path);
    node->fd = open_file(path);
    if (node->fd < 0)
        return errno == EACCES || errno == EPERM ? announce_unreadable(port, node, now) : true;
    ask(node->fd, &able);
    if (is_wanted(port, &able)) {
        if (announce(port, node, now, &able)) return true;
        close(node->fd);
        node->fd = -1;
        return false;
    }
    port->passed_over++;
    close(node->fd);
    node->fd = -1;
    return true;
}

void nl_node_close(nplug_linux *port, nl_node *node, nplug_time now)
{
    nplug_report report = report_of(port, node, now, NPLUG_REPORT_DEPART);

    if (nplug_push(port->ring, &report, 1) == NPLUG_ERR_FULL) return; /* tried again */
    if (node->fd >= 0) close(node->fd);
    node->fd = -1;
    nl_node_use(port, node, false);
    port->rescan = true; /* its number may be another's already */
}
