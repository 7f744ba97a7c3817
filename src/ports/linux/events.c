/* What an open node says: kernel frames become groups; dropped events become a resync. */
#include "linux_port.h"
#include <errno.h>
#include <string.h>
#include <sys/ioctl.h>
#include <unistd.h>

const uint16_t nl_slot_codes[NL_SLOT_AXES] = {ABS_MT_TRACKING_ID, ABS_MT_POSITION_X,
                                              ABS_MT_POSITION_Y, ABS_MT_PRESSURE};

static nplug_time time_of(const struct input_event *event)
{
    return (nplug_time)event->input_event_sec * 1000000u + (nplug_time)event->input_event_usec;
}

static void push_mark(nplug_linux *port, const nl_node *node, nplug_time now,
                      nplug_report_kind kind)
{
    nplug_report mark = {0};

    mark.time = now;
    mark.device = nl_node_number(port, node);
    mark.kind = (uint8_t)kind;
    nplug_push(port->ring, &mark, 1);
}

static void push_value(nplug_linux *port, const nl_node *node, nplug_time now, uint16_t signal,
                       int32_t value)
{
    nplug_report report = {0};

    report.time = now;
    report.device = nl_node_number(port, node);
    report.signal = signal;
    report.data.value = value;
    nplug_push(port->ring, &report, 1);
}

/* --- the present state ---------------------------------------------------------------------- */

static bool is_set(const unsigned char *bits, unsigned code)
{
    return (bits[code / 8] >> (code % 8)) & 1u;
}

static void push_bits(nplug_linux *port, const nl_node *node, nplug_time now,
                      const unsigned char *bits, const uint16_t *signals, unsigned count)
{
    for (unsigned code = 0; code < count; code++)
        if (signals[code] != NL_NONE && is_set(bits, code))
            push_value(port, node, now, signals[code], 1);
}

/* An axis that was never moved says 0, wherever it rests: so 0 says nothing until it has moved. */
static void push_axes(nplug_linux *port, nl_node *node, nplug_time now)
{
    for (unsigned code = 0; code < ABS_CNT; code++) {
        struct input_absinfo info = {0};
        if (node->abs[code] == NL_NONE || ioctl(node->fd, EVIOCGABS(code), &info) < 0) continue;
        if (info.value == 0 && !node->moved[code]) continue;
        node->moved[code] = true;
        push_value(port, node, now, node->abs[code], info.value);
    }
}

/* Which slot the next events are about: the kernel says so only when that changes. */
static void ask_slot(nl_node *node)
{
    struct input_absinfo info = {0};

    if (node->slots && ioctl(node->fd, EVIOCGABS(ABS_MT_SLOT), &info) >= 0)
        node->current = info.value;
}

static void push_contacts(nplug_linux *port, nl_node *node, nplug_time now)
{
    struct {
        uint32_t code;
        int32_t value[NL_SLOTS];
    } slots;

    ask_slot(node);
    for (unsigned a = 0; node->slots && a < NL_SLOT_AXES; a++) {
        memset(&slots, 0, sizeof slots);
        slots.code = nl_slot_codes[a];
        if (ioctl(node->fd, EVIOCGMTSLOTS(sizeof slots), &slots) < 0) continue;
        for (int s = 0; s < node->slots; s++)
            if (node->slot[s][a] != NL_NONE)
                push_value(port, node, now, node->slot[s][a], slots.value[s]);
    }
}

void nl_events_push_values(nplug_linux *port, nl_node *node, nplug_time now)
{
    unsigned char keys[KEY_CNT / 8 + 1] = {0}, switches[SW_CNT / 8 + 1] = {0};

    ioctl(node->fd, EVIOCGKEY(sizeof keys), keys);
    ioctl(node->fd, EVIOCGSW(sizeof switches), switches);
    push_bits(port, node, now, keys, node->key, KEY_CNT);
    push_bits(port, node, now, switches, node->sw, SW_CNT);
    push_axes(port, node, now);
    push_contacts(port, node, now);
    if (node->charge >= 0) push_value(port, node, now, node->battery, node->charge);
}

void nl_events_state(nplug_linux *port, nl_node *node, nplug_time now)
{
    node->owes_state = nplug_ring_room(port->ring) < node->signals + 2u;
    if (node->owes_state) return;
    push_mark(port, node, now, NPLUG_REPORT_RESYNC_BEGIN);
    nl_events_push_values(port, node, now);
    push_mark(port, node, now, NPLUG_REPORT_RESYNC_END);
}

/* --- frames --------------------------------------------------------------------------------- */

/* The signal of an event, NL_NONE for what is none. */
static uint16_t signal_of(nl_node *node, const struct input_event *event, bool *moves)
{
    *moves = false;
    if (event->type == EV_KEY && event->code < KEY_CNT) return node->key[event->code];
    if (event->type == EV_SW && event->code < SW_CNT) return node->sw[event->code];
    *moves = true;
    if (event->type == EV_REL && event->code < REL_CNT) return node->rel[event->code];
    if (event->type != EV_ABS || event->code >= ABS_CNT) return NL_NONE;
    if (event->code < ABS_MT_SLOT) {
        node->moved[event->code] = true;
        *moves = event->code < ABS_HAT0X || event->code > ABS_HAT3Y;
        return node->abs[event->code];
    }
    for (unsigned a = 0; a < NL_SLOT_AXES && (unsigned)node->current < (unsigned)node->slots; a++)
        if (event->code == nl_slot_codes[a]) {
            *moves = a != 0;
            return node->slot[node->current][a];
        }
    return NL_NONE;
}

static void add_event(nplug_linux *port, nl_node *node, const struct input_event *event)
{
    nplug_report *report = &node->frame[node->count];
    bool moves;
    uint16_t signal;

    if (event->type == EV_ABS && event->code == ABS_MT_SLOT) node->current = event->value;
    if (event->type == EV_KEY && event->value == 2) return; /* repeated by the kernel */
    signal = signal_of(node, event, &moves);
    if (signal == NL_NONE) return;
    if (node->count == NL_FRAME) {
        node->cut = true;
        return;
    }
    memset(report, 0, sizeof *report);
    report->device = nl_node_number(port, node);
    report->signal = signal;
    report->data.value = event->value;
    report->flags =
        moves ? NPLUG_REPORT_FLAG_MORE | NPLUG_REPORT_FLAG_MOVES : NPLUG_REPORT_FLAG_MORE;
    node->count++;
}

void nl_events_push(nplug_linux *port, nl_node *node)
{
    for (uint32_t i = 0; i < node->count; i++) {
        node->frame[i].time = node->frame_time;
        if (node->let_go) node->frame[i].flags |= NPLUG_REPORT_FLAG_CANCELLED;
    }
    if (node->count) {
        node->frame[node->count - 1].flags &= (uint8_t)~NPLUG_REPORT_FLAG_MORE;
        nplug_push(port->ring, node->frame, node->count);
    }
    node->count = 0;
    if (node->cut || node->dropping) nl_events_state(port, node, node->frame_time);
    node->cut = node->dropping = node->staged = false;
    nl_battery_keep(port, node, node->frame_time);
}

static bool is_all_let_go(const nl_node *node)
{
    for (uint32_t i = 0; i < node->count; i++)
        if (node->frame[i].data.value || node->frame[i].flags & NPLUG_REPORT_FLAG_MOVES)
            return false;
    return true;
}

/* One event; the kernel ends the frame in which it lets go of all keys with the value 1.  True
 * where it ends a frame that says anything. */
static bool take(nplug_linux *port, nl_node *node, const struct input_event *event)
{
    if (event->type == EV_SYN && event->code == SYN_DROPPED) {
        node->dropping = true;
        node->count = 0;
    } else if (event->type == EV_SYN && event->code == SYN_REPORT) {
        node->frame_time = time_of(event);
        node->let_go = event->value == 1 && is_all_let_go(node);
        return node->count || node->cut || node->dropping;
    } else if (!node->dropping) {
        add_event(port, node, event);
    }
    return false;
}

static bool read_more(nl_node *node)
{
    ssize_t got = read(node->fd, node->in, sizeof node->in);

    node->at = 0;
    node->got = got > 0 ? (uint32_t)((size_t)got / sizeof *node->in) : 0;
    if (got < (ssize_t)sizeof node->in) node->ready = false; /* emptied: epoll tells of more */
    if (node->got) return true;
    node->gone = got == 0 || (got < 0 && errno != EAGAIN && errno != EINTR);
    return false;
}

bool nl_events_stage(nplug_linux *port, nl_node *node)
{
    while (!node->staged) {
        if (node->at == node->got && !(node->ready && read_more(node))) return false;
        node->staged = take(port, node, &node->in[node->at++]);
    }
    return true;
}
