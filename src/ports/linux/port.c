/* The port's table: pumped by the nest's step, or by a thread of its own. */
#include "linux_port.h"
#include <string.h>
#include <sys/epoll.h>
#include <sys/eventfd.h>
#include <sys/ioctl.h>
#include <time.h>
#include <unistd.h>

#define ALIGNMENT ((size_t)16)
#define NODES_MAX 4096u

/* A port that is pumped more often than this asks its few nodes directly in between. */
#define NODES_ASKED   3
#define LOOK_INTERVAL 2000 /* microseconds */

static size_t rounded(size_t size)
{
    return (size + ALIGNMENT - 1) & ~(ALIGNMENT - 1);
}

size_t nplug_linux_memory_needed(const nplug_linux_setup *setup)
{
    if (!setup || setup->size < sizeof *setup || !setup->folder) return 0;
    for (size_t i = sizeof *setup; i < setup->size; i++)
        if (((const unsigned char *)setup)[i]) return 0; /* a later version's wish */
    if (setup->nodes == 0 || setup->nodes > NODES_MAX) return 0;
    if (strlen(setup->folder) >= sizeof((nplug_linux *)0)->folder) return 0;
    return rounded(sizeof(nplug_linux)) + setup->nodes * sizeof(nl_node);
}

nplug_linux *nplug_linux_open(const nplug_linux_setup *setup, void *block, size_t size)
{
    size_t needed = nplug_linux_memory_needed(setup);
    nplug_linux *port = (nplug_linux *)block;

    if (!block || needed == 0 || size < needed) return NULL;
    memset(port, 0, sizeof *port);
    port->setup = *setup;
    strcpy(port->folder, setup->folder);
    port->setup.folder = port->folder;
    port->nodes = (nl_node *)((char *)block + rounded(sizeof *port));
    for (uint32_t i = 0; i < setup->nodes; i++) {
        port->nodes[i].used = false;
        port->nodes[i].fd = -1;
    }
    port->epoll = port->watch = port->uevents = port->wake = -1;
    return port;
}

static nplug_time clock_now(void)
{
    struct timespec now;

    clock_gettime(CLOCK_MONOTONIC, &now);
    return (nplug_time)now.tv_sec * 1000000u + (nplug_time)now.tv_nsec / 1000u;
}

/* Of the nodes with a frame, the one whose frame is earliest; NULL where none is due. */
static nl_node *earliest(nplug_linux *port, nplug_time upto)
{
    nl_node *best = NULL;

    for (uint32_t i = 0; i < port->top; i++) {
        nl_node *node = &port->nodes[i];
        if (node->fd < 0 || !nl_events_stage(port, node) || node->frame_time > upto) continue;
        if (!best || node->frame_time < best->frame_time) best = node;
    }
    return best;
}

/* What all nodes said up to a time, in the order in which they said it: one ring holds it, and the
 * nest takes a ring's reports as they stand. */
static void read_nodes(nplug_linux *port, nplug_time upto, nplug_time now)
{
    nl_node *node;

    while ((node = earliest(port, upto)) != NULL)
        nl_events_push(port, node);
    for (uint32_t i = 0; i < port->top; i++) {
        node = &port->nodes[i];
        if (node->fd < 0) continue;
        if (node->owes_state) nl_events_state(port, node, now);
        if (node->gone && !node->staged) nl_node_close(port, node, now);
    }
}

/* The kernel says that something changed: the folder, or a battery. */
static void read_news(nplug_linux *port, nplug_time now)
{
    nl_hotplug_read(port);
    for (uint32_t i = 0; i < port->top; i++)
        if (port->nodes[i].fd >= 0) nl_battery_look(port, &port->nodes[i], now);
}

/* Asks epoll who has something to say; true where the folder or a battery may have changed. */
static bool ask_epoll(nplug_linux *port, int timeout)
{
    struct epoll_event events[64];
    int count = epoll_wait(port->epoll, events, 64, timeout);
    bool news = false;

    for (int i = 0; i < count; i++)
        if (events[i].data.ptr)
            ((nl_node *)events[i].data.ptr)->ready = true;
        else
            news = true;
    return news;
}

/* A few nodes are asked one by one: that costs less than asking who is to be asked. */
static bool ask_directly(nplug_linux *port, nplug_time now)
{
    if (port->top == 0 || port->top > NODES_ASKED || now >= port->next_look) return false;
    for (uint32_t i = 0; i < port->top; i++)
        port->nodes[i].ready = port->nodes[i].fd >= 0;
    return true;
}

/* Pumped: all that was said up to the step's time. */
static void look(nplug_linux *port, nplug_time now)
{
    bool news = false;

    if (!ask_directly(port, now)) {
        news = ask_epoll(port, 0);
        port->next_look = now + LOOK_INTERVAL;
    }
    read_nodes(port, now, now);
    if (news) read_news(port, now);
    nl_hotplug_scan(port, now);
}

/* On a thread: waits, then takes all that came. */
static void wait_and_take(nplug_linux *port, int timeout)
{
    bool news = ask_epoll(port, timeout);
    nplug_time now = clock_now();

    pthread_mutex_lock(&port->lock);
    read_nodes(port, UINT64_MAX, now);
    if (news) read_news(port, now);
    nl_hotplug_scan(port, now);
    pthread_mutex_unlock(&port->lock);
}

static nplug_result start(void *self, nplug_ring *ring)
{
    nplug_linux *port = (nplug_linux *)self;

    port->ring = ring;
    pthread_mutex_init(&port->lock, NULL);
    port->epoll = epoll_create1(EPOLL_CLOEXEC);
    if (port->epoll < 0) return NPLUG_ERR_FILE;
    return nl_hotplug_open(port) ? NPLUG_OK : NPLUG_ERR_FILE;
}

static void pump(void *self, nplug_time now)
{
    look((nplug_linux *)self, now);
}

/* --- the thread ----------------------------------------------------------------------------- */

/* Whether something waits for room in the ring, or for the folder: nothing wakes the thread then,
 * so it looks again by itself.  An idle port sleeps until something comes. */
static bool needs_turn(const nplug_linux *port)
{
    for (uint32_t i = 0; i < port->top; i++)
        if (port->nodes[i].fd >= 0 && (port->nodes[i].owes_state || port->nodes[i].gone))
            return true;
    return port->rescan;
}

static void *run(void *self)
{
    nplug_linux *port = (nplug_linux *)self;

    while (!__atomic_load_n(&port->stopping, __ATOMIC_ACQUIRE))
        wait_and_take(port, needs_turn(port) ? 10 : -1);
    return NULL;
}

static nplug_result start_thread(void *self, nplug_ring *ring)
{
    nplug_linux *port = (nplug_linux *)self;
    struct epoll_event event = {.events = EPOLLIN, .data = {.ptr = NULL}};
    nplug_result result = start(self, ring);

    if (result != NPLUG_OK) return result;
    port->wake = eventfd(0, EFD_CLOEXEC | EFD_NONBLOCK);
    if (port->wake < 0 || epoll_ctl(port->epoll, EPOLL_CTL_ADD, port->wake, &event) < 0)
        return NPLUG_ERR_FILE;
    port->threaded = pthread_create(&port->thread, NULL, run, port) == 0;
    return port->threaded ? NPLUG_OK : NPLUG_ERR_MEMORY;
}

static void stop(void *self)
{
    nplug_linux *port = (nplug_linux *)self;
    uint64_t one = 1;

    __atomic_store_n(&port->stopping, true, __ATOMIC_RELEASE);
    if (port->threaded && write(port->wake, &one, sizeof one) == (ssize_t)sizeof one)
        pthread_join(port->thread, NULL);
    port->threaded = false;
    for (uint32_t i = 0; i < port->setup.nodes; i++) {
        if (port->nodes[i].fd >= 0) close(port->nodes[i].fd);
        port->nodes[i].fd = -1;
        port->nodes[i].used = false;
    }
    nl_hotplug_close(port);
    if (port->wake >= 0) close(port->wake);
    if (port->epoll >= 0) close(port->epoll);
    port->wake = port->epoll = -1;
    pthread_mutex_destroy(&port->lock);
}

/* --- what the nest asks --------------------------------------------------------------------- */

static nl_node *open_node(nplug_linux *port, uint32_t device)
{
    if (device >= port->setup.nodes || port->nodes[device].fd < 0) return NULL;
    return &port->nodes[device];
}

/* The answer is given by whoever reads, at the next turn: the ring has one pusher. */
static void resync(void *self, uint32_t device)
{
    nplug_linux *port = (nplug_linux *)self;
    nl_node *node;
    uint64_t one = 1;

    pthread_mutex_lock(&port->lock);
    node = open_node(port, device);
    if (node) node->owes_state = true;
    pthread_mutex_unlock(&port->lock);
    if (node && port->threaded && write(port->wake, &one, sizeof one) < 0) port->rescan = true;
}

/* Force feedback: the rumble of before is changed in place, or let go of where it cannot be. */
static void rumble(nl_node *node, const nplug_effect *effect)
{
    struct ff_effect ff = {.type = FF_RUMBLE, .id = (int16_t)node->effect};
    struct input_event play = {.type = EV_FF, .value = 1};

    ff.u.rumble.strong_magnitude = (uint16_t)(effect->strong * 65535.0f);
    ff.u.rumble.weak_magnitude = (uint16_t)(effect->weak * 65535.0f);
    ff.replay.length = effect->duration_ms > 65535 ? 65535 : (uint16_t)effect->duration_ms;
    if (effect->strong <= 0.0f && effect->weak <= 0.0f) play.value = 0;
    if (play.value && ioctl(node->fd, EVIOCSFF, &ff) < 0) return;
    if (play.value) node->effect = ff.id;
    if (node->effect < 0) return;
    play.code = (uint16_t)node->effect;
    if (write(node->fd, &play, sizeof play) < 0) node->effect = -1;
}

static void play_effect(void *self, const nplug_effect *effect)
{
    nplug_linux *port = (nplug_linux *)self;
    nl_node *node;

    pthread_mutex_lock(&port->lock);
    node = open_node(port, effect->device);
    if (node && effect->kind == NPLUG_EFFECT_RUMBLE) rumble(node, effect);
    if (node && effect->kind == NPLUG_EFFECT_LIGHTS) nl_lights_show(node, effect->player);
    pthread_mutex_unlock(&port->lock);
}

/* A later version's struct has more at its end, which is all 0. */
static nplug_result give(nplug_linux_facts *to, const nplug_linux_facts *from)
{
    uint32_t size = to->size;

    if (size < sizeof *from) return NPLUG_ERR_SIZE;
    memset(to, 0, size);
    *to = *from;
    to->size = size;
    return NPLUG_OK;
}

nplug_result nplug_linux_info(const nplug_linux *port, nplug_linux_facts *facts)
{
    nplug_linux_facts now = {0};

    if (!port || !facts) return NPLUG_ERR_ARGUMENT;
    now.has_folder = port->has_folder;
    now.passed_over = port->passed_over;
    for (uint32_t i = 0; i < port->setup.nodes; i++) {
        now.open += port->nodes[i].fd >= 0;
        now.unreadable += port->nodes[i].used && port->nodes[i].unreadable;
    }
    return give(facts, &now);
}

const nplug_port *nplug_linux_port(const nplug_linux *port)
{
    static const nplug_port pumped = {
        (uint32_t)sizeof(nplug_port), 0, "linux", start, pump, resync, play_effect, stop, NULL};
    static const nplug_port threaded = {(uint32_t)sizeof(nplug_port),
                                        0,
                                        "linux",
                                        start_thread,
                                        NULL,
                                        resync,
                                        play_effect,
                                        stop,
                                        NULL};
    return port && port->setup.own_thread ? &threaded : &pumped;
}

nplug_result nplug_linux_attach(nplug_linux *port, nplug_nest *nest)
{
    return port ? nplug_attach(nest, nplug_linux_port(port), port) : NPLUG_ERR_ARGUMENT;
}
