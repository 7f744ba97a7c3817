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
static bool is_alone(const np_devices *devices, uint32_t serial)
{
    for (uint32_t i = 0; serial && i < devices->limit; i++)
        if (is_here(&devices->list[i]) && devices->list[i].who.serial == serial) return false;
    return serial != 0;
}

static unsigned likeness(const np_who *gone, const np_who *come, bool alone)
{
    if (alone && gone->serial == come->serial) return BY_SERIAL;
    if (gone->sort != come->sort) return BY_NOTHING;
    if (gone->serial && come->serial && gone->serial != come->serial) return BY_NOTHING;
    return come->socket && gone->socket == come->socket ? BY_SOCKET : BY_SORT;
}

uint32_t np_returns_as(const np_devices *devices, const np_who *who, bool away)
{
    uint32_t found[BY_NOTHING + 1], count[BY_NOTHING + 1] = {0};
    bool alone = is_alone(devices, who->serial);

    for (uint32_t i = 0; i < devices->limit; i++) {
        const np_device *device = &devices->list[i];
        unsigned by;
        if (!is_in_question(device, away)) continue;
        by = likeness(&device->who, who, alone);
        if (away && device->who.sort != who->sort) by = BY_NOTHING;
        found[by] = i;
        count[by]++;
    }
    for (unsigned by = BY_SERIAL; by < BY_NOTHING; by++)
        if (count[by] == 1) return found[by];
    return NP_NONE;
}
