/* Reconnection: which device that went is the one that comes.
 *
 * Owns nothing.  Comes in: who has gone, who comes.  Goes out: the place of the one, or none. */
#include "core/device/device.h"

static bool is_here(const np_device *device)
{
    return device->presence == NP_HERE && device->first_node != NP_NONE;
}

/* Gone for a moment: nobody was told yet. */
static bool is_away(const np_device *device)
{
    return device->presence == NP_HERE && device->first_node == NP_NONE;
}

static bool is_gone(const np_device *device)
{
    return device->presence == NP_GONE;
}

static bool is_missed(const np_device *device)
{
    return is_gone(device) && device->missed_by;
}

static bool is_away_or_gone(const np_device *device)
{
    return is_away(device) || is_gone(device);
}

typedef bool is_in_question(const np_device *device);

/* Pads of one lot may all have the same serial number: it tells nothing then. */
static bool serial_tells(const np_devices *devices, const np_who *who, uint32_t self)
{
    for (uint32_t i = 0; who->serial && i < devices->limit; i++) {
        const np_who *other = &devices->list[i].who;
        if (i != self && is_here(&devices->list[i]) && other->serial == who->serial &&
            other->looks == who->looks)
            return false;
    }
    return who->serial != 0;
}

static bool look_alike(const np_who *gone, const np_who *come)
{
    return gone->looks == come->looks ||
           np_kinds_go_together((nplug_device_kind)gone->looks, (nplug_device_kind)come->looks);
}

static bool is_same_sort(const np_who *gone, const np_who *come)
{
    if (!look_alike(gone, come) || gone->sort != come->sort) return false;
    return !gone->serial || !come->serial || gone->serial == come->serial;
}

/* The only one in question with the serial number; NP_NONE where there is none or several. */
static uint32_t by_serial(const np_devices *devices, const np_who *who, is_in_question *asks)
{
    uint32_t found = NP_NONE, count = 0;

    for (uint32_t i = 0; i < devices->limit; i++) {
        const np_device *device = &devices->list[i];
        if (!asks(device) || device->who.serial != who->serial) continue;
        if (!look_alike(&device->who, who)) continue;
        found = i;
        count++;
    }
    return count == 1 ? found : NP_NONE;
}

static bool left_later(const np_device *a, const np_device *b)
{
    return is_away(a) || (!is_away(b) && a->gone_order > b->gone_order);
}

/* Whoever misses one misses the other; of those that went a moment ago nobody knows yet. */
static bool have_same_hearers(const np_device *a, const np_device *b)
{
    return a->missed_by && a->missed_by == b->missed_by;
}

/* What left the socket last. */
static uint32_t by_socket(const np_devices *devices, const np_who *who, is_in_question *asks)
{
    const np_device *list = devices->list;
    uint32_t found = NP_NONE;

    for (uint32_t i = 0; who->socket && i < devices->limit; i++) {
        if (!asks(&list[i]) || list[i].who.socket != who->socket) continue;
        if (!is_same_sort(&list[i].who, who)) continue;
        if (found == NP_NONE || left_later(&list[i], &list[found])) found = i;
    }
    return found;
}

/* The only one of its sort; of several that the same players miss, the one that left last. */
static uint32_t by_sort(const np_devices *devices, const np_who *who, is_in_question *asks)
{
    const np_device *list = devices->list;
    uint32_t found = NP_NONE;

    for (uint32_t i = 0; i < devices->limit; i++) {
        if (!asks(&list[i]) || !is_same_sort(&list[i].who, who)) continue;
        if (found != NP_NONE && !have_same_hearers(&list[i], &list[found])) return NP_NONE;
        if (found == NP_NONE || left_later(&list[i], &list[found])) found = i;
    }
    return found;
}

/* By what hardware is known for certain, as far as it says that. */
static uint32_t surely(const np_devices *devices, const np_who *who, uint32_t self,
                       is_in_question *asks)
{
    uint32_t found = NP_NONE;

    if (serial_tells(devices, who, self)) found = by_serial(devices, who, asks);
    return found == NP_NONE ? by_socket(devices, who, asks) : found;
}

uint32_t np_reconnect_at_once(const np_devices *devices, uint32_t node)
{
    np_who who = np_devices_who(&devices->nodes[node]);
    uint32_t found = surely(devices, &who, NP_NONE, is_away_or_gone);

    if (found == NP_NONE) return by_sort(devices, &who, is_away);
    return is_away(&devices->list[found]) && devices->list[found].who.sort == who.sort ? found
                                                                                       : NP_NONE;
}

uint32_t np_reconnect_as(const np_devices *devices, const np_who *who, uint32_t self)
{
    uint32_t found = surely(devices, who, self, is_gone);

    return found == NP_NONE ? by_sort(devices, who, is_missed) : found;
}
