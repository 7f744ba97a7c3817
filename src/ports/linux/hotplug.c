/* What comes and goes: the kernel's uevents where they can be had, and inotify on the folder, which
 * also tells when a node's permissions change.  Both only say that something changed; the folder
 * says what is there. */
#include "linux_port.h"
#include <dirent.h>
#include <errno.h>
#include <linux/netlink.h>
#include <string.h>
#include <sys/epoll.h>
#include <sys/inotify.h>
#include <sys/socket.h>
#include <unistd.h>

/* What is no node has no pointer in epoll. */
static bool listen_to(nplug_linux *port, int fd)
{
    struct epoll_event event = {.events = EPOLLIN, .data = {.ptr = NULL}};
    return epoll_ctl(port->epoll, EPOLL_CTL_ADD, fd, &event) == 0;
}

static int open_uevents(void)
{
    struct sockaddr_nl address = {.nl_family = AF_NETLINK, .nl_groups = 1};
    int fd = socket(AF_NETLINK, SOCK_RAW | SOCK_CLOEXEC | SOCK_NONBLOCK, NETLINK_KOBJECT_UEVENT);

    if (fd >= 0 && bind(fd, (struct sockaddr *)&address, sizeof address) == 0) return fd;
    if (fd >= 0) close(fd);
    return -1;
}

bool nl_hotplug_open(nplug_linux *port)
{
    port->watch = inotify_init1(IN_NONBLOCK | IN_CLOEXEC);
    if (port->watch >= 0 &&
        (inotify_add_watch(port->watch, port->folder, IN_CREATE | IN_ATTRIB | IN_DELETE) < 0 ||
         !listen_to(port, port->watch))) {
        close(port->watch);
        port->watch = -1;
    }
    port->uevents = open_uevents();
    if (port->uevents >= 0) listen_to(port, port->uevents);
    port->rescan = true;
    return port->watch >= 0 || port->uevents >= 0;
}

void nl_hotplug_close(nplug_linux *port)
{
    if (port->watch >= 0) close(port->watch);
    if (port->uevents >= 0) close(port->uevents);
    port->watch = port->uevents = -1;
}

/* Empties a source; a socket that overflowed (ENOBUFS) says that much by an error. */
static bool empty(int fd)
{
    char buffer[8192];
    bool any = false;

    if (fd < 0) return false;
    while (read(fd, buffer, sizeof buffer) > 0)
        any = true;
    return any || errno == ENOBUFS;
}

void nl_hotplug_read(nplug_linux *port)
{
    bool changed = empty(port->watch);

    changed |= empty(port->uevents);
    empty(port->wake);
    port->rescan |= changed;
}

static nl_node *node_of(const nplug_linux *port, const char *file)
{
    for (uint32_t i = 0; i < port->top; i++)
        if (port->nodes[i].used && strcmp(port->nodes[i].file, file) == 0) return &port->nodes[i];
    return NULL;
}

static nl_node *free_node(const nplug_linux *port)
{
    for (uint32_t i = 0; i < port->setup.nodes; i++)
        if (!port->nodes[i].used) return &port->nodes[i];
    return NULL;
}

/* One file of the folder: opened where it is new, or may be read now. */
static bool see(nplug_linux *port, const char *file, nplug_time now)
{
    nl_node *node = node_of(port, file);

    if (node && !node->unreadable) return true;
    if (node && !nl_node_readable(port, file)) return true;
    if (node) nl_node_close(port, node, now);
    node = free_node(port);
    return !node || nl_node_open(port, node, file, now);
}

static bool is_listed(const nplug_linux *port, const char *file)
{
    char path[sizeof port->folder + NL_NAME + 1];

    strcpy(path, port->folder);
    strcat(path, "/");
    strcat(path, file);
    return access(path, F_OK) == 0;
}

/* What could never be read has no end of file by which its going is seen. */
static void close_missing(nplug_linux *port, nplug_time now)
{
    for (uint32_t i = 0; i < port->top; i++)
        if (port->nodes[i].used && port->nodes[i].unreadable &&
            !is_listed(port, port->nodes[i].file))
            nl_node_close(port, &port->nodes[i], now);
}

void nl_hotplug_scan(nplug_linux *port, nplug_time now)
{
    DIR *folder;
    struct dirent *entry;
    bool all = true;

    if (!port->rescan) return;
    close_missing(port, now);
    folder = opendir(port->folder);
    port->has_folder = folder != NULL;
    port->passed_over = 0;
    while (folder && (entry = readdir(folder)) != NULL)
        if (strncmp(entry->d_name, "event", 5) == 0 && strlen(entry->d_name) < NL_NAME)
            all &= see(port, entry->d_name, now);
    if (folder) closedir(folder);
    port->rescan = !all;
}
