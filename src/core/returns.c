#include "returns.h"

/* By what two are taken for one, from the surest way on. */
enum { BY_SERIAL, BY_SOCKET, BY_SORT, BY_NOTHING };

static bool is_here(const np_device *device)
{
    return device->presence == NP_HERE && device->first_node != NP_NONE;
}

static bool is_in_question(const np_device *device, bool away)
{
    if (away) return device->presence == NP_HERE && device->first_node == NP_NONE;
    return device->presence == NP_GONE && device->missed;
}

/* Pads of one lot may all have the same serial number: it tells nothing then. */
static bool is_alone(const np_devices *devices, const np_who *who, uint32_t self)
{
    for (uint32_t i = 0; who->serial && i < devices->limit; i++) {
        const np_who *other = &devices->list[i].who;
        if (i != self && is_here(&devices->list[i]) && other->serial == who->serial &&
            other->looks == who->looks)
            return false;
    }
    return who->serial != 0;
}

static bool is_like(const np_who *gone, const np_who *come, unsigned by, bool alone)
{
    if (gone->looks != come->looks &&
        !np_looks_go_together((nplug_kind)gone->looks, (nplug_kind)come->looks))
        return false;
    if (by == BY_SERIAL) return alone && gone->serial == come->serial;
    if (gone->sort != come->sort) return false;
    if (gone->serial && come->serial && gone->serial != come->serial) return false;
    return by == BY_SORT || (come->socket && gone->socket == come->socket);
}

static uint32_t best_of(const np_devices *devices, const np_who *who, uint32_t self)
{
    bool alone = is_alone(devices, who, self), away = self == NP_NONE;

    for (unsigned by = BY_SERIAL; by < BY_NOTHING; by++) {
        uint32_t found = NP_NONE, count = 0;
        for (uint32_t i = 0; i < devices->limit; i++) {
            const np_device *device = &devices->list[i];
            if (!is_in_question(device, away) || !is_like(&device->who, who, by, alone)) continue;
            if (away && device->who.sort != who->sort) continue;
            found = i;
            count++;
        }
        if (count == 1) return found;
    }
    return NP_NONE;
}

uint32_t np_returns_at_once(const np_devices *devices, uint32_t node)
{
    np_who who = np_devices_who(&devices->nodes[node]);
    return best_of(devices, &who, NP_NONE);
}

uint32_t np_returns_as(const np_devices *devices, uint32_t device)
{
    return best_of(devices, &devices->list[device].who, device);
}
