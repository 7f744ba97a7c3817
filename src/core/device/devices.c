/* Devices: nodes, the devices that they make up, raw signals and their guards.
 *
 * Owns np_devices.  Comes in: arrivals in pieces, values.  Goes out: handles, who is here, what is
 * dirty, the way of most reports. */
#include "core/device/device.h"
#include <string.h>

/* Inlined where it is called, a loop may lack registers; and where it lies makes a tenth of its
 * time. */
#ifdef __GNUC__
#define APART __attribute__((noinline, aligned(64)))
#else
#define APART
#endif

/* Handles: place + 1 in the lower 12 bits, generation (from 1) in the upper 20. */
#define PLACE_BITS  12u
#define GENERATIONS (1u << (32u - PLACE_BITS))

static uint32_t map_size_for(uint32_t nodes)
{
    uint32_t size = 8;
    while (size < 4 * nodes)
        size *= 2;
    return size;
}

static void forget_recent(np_devices *devices)
{
    for (uint32_t i = 0; i < NP_RECENT; i++)
        devices->recent[i].who = NP_NOBODY;
}

void np_devices_layout(np_devices *devices, np_arena *arena, const nplug_limits *limits)
{
    static const np_array arrays[] = {NP_ARRAY(np_devices, nodes, nodes, NP_ARRAY_OF),
                                      NP_ARRAY(np_devices, list, devices, NP_ARRAY_OF),
                                      NP_ARRAY(np_devices, order, devices, NP_ARRAY_OF),
                                      NP_ARRAY(np_devices, signals, signals, NP_ARRAY_OF),
                                      NP_ARRAY(np_devices, raw, signals, NP_ARRAY_OF),
                                      NP_ARRAY(np_devices, guards, signals, NP_ARRAY_OF),
                                      NP_ARRAY(np_devices, flags, signals, NP_ARRAY_OF),
                                      NP_ARRAY(np_devices, dirty, signals, NP_ARRAY_OF),
                                      NP_ARRAY(np_devices, touched, signals, NP_ARRAY_OF)};
    uint32_t map_size = map_size_for(limits->nodes);

    forget_recent(devices);
    devices->node_limit = limits->nodes;
    devices->limit = limits->devices;
    devices->map_mask = map_size - 1;
    np_arena_lay(arena, devices, limits, arrays, sizeof arrays / sizeof *arrays);
    devices->map = (uint16_t *)np_arena_take(arena, map_size, sizeof(uint16_t));
    np_span_layout(&devices->signal_span, arena, limits->signals);
}

/* --- nodes by the port's number ------------------------------------------------------------- */

static uint32_t slot_of(const np_devices *devices, uint32_t key)
{
    return (key * 2654435761u >> 7) & devices->map_mask;
}

uint32_t np_devices_node(np_devices *devices, uint32_t key)
{
    uint32_t number = key & NP_RING_FOLDED_MAX;

    for (uint32_t i = slot_of(devices, key); devices->map[i]; i = (i + 1) & devices->map_mask) {
        uint32_t node = devices->map[i] - 1u;
        if (devices->nodes[node].key != key) continue;
        devices->recent[number % NP_RECENT].who = (uint64_t)(key >> 24) << 32 | number;
        devices->recent[number % NP_RECENT].node = &devices->nodes[node];
        return node;
    }
    return NP_NONE;
}

static void map_add(np_devices *devices, uint32_t node)
{
    uint32_t i = slot_of(devices, devices->nodes[node].key);
    while (devices->map[i])
        i = (i + 1) & devices->map_mask;
    devices->map[i] = (uint16_t)(node + 1);
}

/* Departures are rare: the map is made anew. */
static void map_again(np_devices *devices)
{
    forget_recent(devices);
    memset(devices->map, 0, (devices->map_mask + 1) * sizeof *devices->map);
    for (uint32_t i = 0; i < devices->node_limit; i++)
        if (devices->nodes[i].presence != NP_FREE) map_add(devices, i);
}

/* --- arrival -------------------------------------------------------------------------------- */

static uint32_t free_node(const np_devices *devices)
{
    for (uint32_t i = 0; i < devices->node_limit; i++)
        if (devices->nodes[i].presence == NP_FREE) return i;
    return NP_NONE;
}

static void clear_signals(np_devices *devices, uint32_t node, uint32_t first, uint32_t count)
{
    for (uint32_t i = first; i < first + count; i++) {
        memset(&devices->signals[i], 0, sizeof devices->signals[i]);
        memset(&devices->guards[i], 0, sizeof devices->guards[i]);
        devices->signals[i].node = (uint16_t)node;
        devices->raw[i] = 0;
        devices->flags[i] = NP_SIGNAL_NEW;
    }
}

int np_devices_begin(np_devices *devices, uint32_t key, const nplug_report *report)
{
    uint32_t index = free_node(devices);
    int32_t first;
    np_node *node;

    if (index == NP_NONE) return NPLUG_LIMIT_NODES;
    first = np_span_take(&devices->signal_span, report->data.arrive.signals);
    if (first < 0) return NPLUG_LIMIT_SIGNALS;
    node = &devices->nodes[index];
    memset(node, 0, sizeof *node);
    node->presence = NP_ARRIVING;
    node->key = key;
    node->device = node->next = NP_NONE;
    node->first_signal = (uint32_t)first;
    node->signals = report->data.arrive.signals;
    node->last = report->time;
    node->bus = report->data.arrive.bus;
    node->vendor = report->data.arrive.vendor;
    node->product = report->data.arrive.product;
    node->version = report->data.arrive.version;
    node->times = report->data.arrive.times;
    node->unreadable = report->data.arrive.unreadable;
    node->properties = report->data.arrive.properties;
    node->abilities = (uint8_t)report->signal;
    clear_signals(devices, index, node->first_signal, node->signals);
    map_add(devices, index);
    return -1;
}

/* How many bytes the character at `text` has (UTF-8, RFC 3629), 0 where it is none. */
static size_t character(const unsigned char *text)
{
    size_t length = text[0] < 0x80   ? 1
                    : text[0] < 0xc2 ? 0
                    : text[0] < 0xe0 ? 2
                    : text[0] < 0xf0 ? 3
                    : text[0] < 0xf5 ? 4
                                     : 0;

    for (size_t i = 1; i < length; i++)
        if ((text[i] & 0xc0u) != 0x80u) return 0;
    if (text[0] == 0xe0 && length == 3 && text[1] < 0xa0) return 0;
    if (text[0] == 0xed && length == 3 && text[1] > 0x9f) return 0; /* surrogates */
    if (text[0] == 0xf0 && length == 4 && text[1] < 0x90) return 0;
    if (text[0] == 0xf4 && length == 4 && text[1] > 0x8f) return 0;
    return length;
}

/* A device may call itself anything, and games print it: what is no character, or steers a
 * terminal, becomes '?'; a character that was cut at the end goes. */
static void make_safe(char *name)
{
    size_t end = strlen(name), length;

    for (size_t i = 0; i < end; i += length) {
        const unsigned char *at = (const unsigned char *)name + i;
        length = character(at);
        if (length == 0 && end == NPLUG_NAME_SIZE - 1 && end - i < 4 && *at >= 0xc2) {
            name[i] = 0;
            return;
        }
        if (length == 0 || *at < 0x20 || *at == 0x7f || (*at == 0xc2 && at[1] < 0xa0)) {
            name[i] = '?';
            if (length == 2) name[i + 1] = '?';
            length = length ? length : 1;
        }
    }
}

static void add_text(np_node *node, const nplug_report *report)
{
    size_t more = 0, length = strlen(node->name);

    while (more < sizeof report->data.text && report->data.text[more])
        more++;
    if (node->text_hash[report->signal] == 0) node->text_hash[report->signal] = NP_HASH_START;
    node->text_hash[report->signal] =
        np_hash(node->text_hash[report->signal], report->data.text, more);
    if (report->signal != NPLUG_TEXT_NAME) return;
    for (size_t i = 0; i < more && length < sizeof node->name - 1; i++)
        node->name[length++] = report->data.text[i];
}

/* A number of a small enum, or the one that stands for all that are none. */
static uint8_t as_known(uint8_t number)
{
    return (uint8_t)((number < NP_SIGNAL_ODD ? number : NP_SIGNAL_ODD) & 15u);
}

static void declare(np_devices *devices, uint32_t signal, const nplug_report *report)
{
    np_signal *about = &devices->signals[signal];

    about->code = report->data.signal.code;
    about->min = report->data.signal.min;
    about->max = report->data.signal.max;
    about->space = as_known(report->data.signal.space);
    about->nature = as_known(report->data.signal.nature);
}

static void detail(np_devices *devices, uint32_t signal, const nplug_report *report)
{
    np_signal *about = &devices->signals[signal];

    about->flat = report->data.detail.flat;
    about->fuzz = report->data.detail.fuzz;
    about->resolution = report->data.detail.resolution;
}

bool np_devices_describe(np_devices *devices, uint32_t index, const nplug_report *report)
{
    np_node *node = &devices->nodes[index];

    if (node->presence != NP_ARRIVING) return false;
    if (report->kind == NPLUG_REPORT_TEXT) {
        if (report->signal >= NP_TEXTS) return false;
        add_text(node, report);
        return true;
    }
    if (report->signal >= node->signals) return false;
    if (report->kind == NPLUG_REPORT_SIGNAL)
        declare(devices, node->first_signal + report->signal, report);
    if (report->kind == NPLUG_REPORT_DETAIL)
        detail(devices, node->first_signal + report->signal, report);
    return true;
}

/* --- devices -------------------------------------------------------------------------------- */

/* What can be a device; what is often beside one; the rest. */
static unsigned rank_of(nplug_device_kind looks)
{
    if (looks == NPLUG_KIND_UNKNOWN) return 0;
    return looks == NPLUG_KIND_MOTION ? 1 : looks == NPLUG_KIND_TOUCH ? 2 : 3;
}

bool np_kinds_go_together(nplug_device_kind a, nplug_device_kind b)
{
    nplug_device_kind larger = rank_of(a) > rank_of(b) ? a : b;
    unsigned smaller = rank_of(larger == a ? b : a);

    if (smaller == 3) return false;
    if (smaller == 0) return true;
    return larger != NPLUG_KIND_KEYBOARD && larger != NPLUG_KIND_MOUSE;
}

uint32_t np_devices_chief(const np_devices *devices, uint32_t device)
{
    uint32_t at = devices->list[device].first_node, best = at;

    for (; at != NP_NONE; at = devices->nodes[at].next)
        if (rank_of((nplug_device_kind)devices->nodes[at].looks) >
            rank_of((nplug_device_kind)devices->nodes[best].looks))
            best = at;
    return best;
}

uint32_t np_devices_node_like(const np_devices *devices, uint32_t device, nplug_device_kind looks)
{
    uint32_t at = devices->list[device].first_node;

    while (at != NP_NONE && devices->nodes[at].looks != looks)
        at = devices->nodes[at].next;
    return at;
}

/* Where both say something, they must say the same; one of the two at least they must say. */
static bool is_same_hardware(const np_node *a, const np_node *b)
{
    static const nplug_text tells[] = {NPLUG_TEXT_SERIAL, NPLUG_TEXT_SOCKET};
    bool agree = false;

    if (a->vendor != b->vendor || a->product != b->product) return false;
    for (unsigned i = 0; i < 2; i++) {
        uint64_t one = a->text_hash[tells[i]], other = b->text_hash[tells[i]];
        if (one && other && one != other) return false;
        agree |= one && other;
    }
    return agree;
}

static bool is_one_unit(const np_node *a, const np_node *b)
{
    if (a->key >> 24 != b->key >> 24) return false;
    if (a->text_hash[NPLUG_TEXT_UNIT] &&
        a->text_hash[NPLUG_TEXT_UNIT] == b->text_hash[NPLUG_TEXT_UNIT])
        return true;
    return is_same_hardware(a, b);
}

uint32_t np_devices_find_unit(const np_devices *devices, uint32_t index)
{
    const np_node *node = &devices->nodes[index];

    for (uint32_t i = 0; i < devices->node_limit; i++) {
        const np_node *other = &devices->nodes[i];
        if (other->presence != NP_HERE || !is_one_unit(node, other)) continue;
        if (np_kinds_go_together((nplug_device_kind)node->looks,
                                 (nplug_device_kind)devices->list[other->device].who.looks))
            return other->device;
    }
    return NP_NONE;
}

void np_devices_complete(np_devices *devices, uint32_t index, nplug_device_kind looks)
{
    np_node *node = &devices->nodes[index];

    node->looks = (uint8_t)looks;
    for (uint32_t i = node->first_signal; i < node->first_signal + node->signals; i++)
        if (devices->signals[i].nature == NPLUG_NATURE_AXIS &&
            !np_signal_is_battery(&devices->signals[i]) && !(devices->flags[i] & NP_SIGNAL_SILENT))
            node->began = 1; /* it has told already how it lies */
}

static bool goes_before(const np_device *a, const np_device *b)
{
    if (!a->missed_by != !b->missed_by) return b->missed_by != 0;
    return a->gone_order < b->gone_order;
}

/* Never used places first, then those that nobody misses, and of each the one that has been gone
 * longest: so the story of a departed device can be read for as long as possible, and places depend
 * on reports alone, not on steps. */
static uint32_t free_place(const np_devices *devices)
{
    uint32_t best = NP_NONE;

    for (uint32_t i = 0; i < devices->limit; i++) {
        const np_device *device = &devices->list[i];
        if (device->presence == NP_FREE) return i;
        if (device->presence != NP_GONE) continue;
        if (best == NP_NONE || goes_before(device, &devices->list[best])) best = i;
    }
    return best;
}

/* By serial number, else by socket, always with the numbers; 0 where there is neither. */
static uint64_t identity_of(const np_node *node)
{
    uint64_t which = node->text_hash[NPLUG_TEXT_SERIAL];
    uint64_t parts[2];

    if (which == 0) which = node->text_hash[NPLUG_TEXT_SOCKET];
    if (which == 0) return 0;
    parts[0] = which;
    parts[1] = ((uint64_t)node->bus << 32) | ((uint64_t)node->vendor << 16) | node->product;
    return np_hash(NP_HASH_START, parts, sizeof parts) | 1u;
}

np_who np_devices_who(const np_node *node)
{
    np_who who = {(uint32_t)node->text_hash[NPLUG_TEXT_SERIAL],
                  (uint32_t)node->text_hash[NPLUG_TEXT_SOCKET],
                  (uint32_t)node->vendor << 16 | node->product, node->looks};
    return who;
}

void np_devices_miss(np_devices *devices, uint32_t device, uint64_t by)
{
    devices->list[device].missed_by = by;
}

void np_devices_forget(np_devices *devices, uint32_t device)
{
    memset(&devices->list[device].who, 0, sizeof devices->list[device].who);
}

bool np_devices_sleep(np_devices *devices, uint32_t device, bool asleep)
{
    bool news = devices->list[device].asleep != asleep;

    devices->list[device].asleep = asleep;
    return news;
}

bool np_devices_charge(np_devices *devices, uint32_t index, const nplug_report *report)
{
    np_device *device = &devices->list[index];
    int32_t said = report->data.value;
    int8_t battery = (int8_t)(said < 0 ? -1 : said > 100 ? 100 : said);
    bool charging = report->signal == 1;

    if (device->battery == battery && device->charging == charging) return false;
    device->battery = battery;
    device->charging = charging;
    return true;
}

uint32_t np_devices_make(np_devices *devices, uint32_t index)
{
    const np_node *node = &devices->nodes[index];
    uint32_t place = free_place(devices);
    np_device *device;

    if (place == NP_NONE) return NP_NONE;
    device = &devices->list[place];
    device->generation = device->generation % (GENERATIONS - 1) + 1;
    device->presence = NP_HERE;
    device->first_node = NP_NONE;
    device->identity = identity_of(node);
    device->battery = -1;
    device->missed_by = 0;
    device->charging = false;
    device->moved_last = 0;
    devices->order[devices->count++] = (uint16_t)place;
    np_devices_add_node(devices, place, index);
    return place;
}

void np_devices_call(np_devices *devices, uint32_t index)
{
    const np_node *node = &devices->nodes[np_devices_chief(devices, index)];
    np_device *device = &devices->list[index];

    memcpy(device->name, node->name, sizeof device->name);
    make_safe(device->name);
    device->bus = node->bus;
    device->vendor = node->vendor;
    device->product = node->product;
    device->version = node->version;
    device->times = (nplug_time_source)node->times;
    device->unreadable = node->unreadable != 0;
    device->abilities = 0;
    for (uint32_t at = device->first_node; at != NP_NONE; at = devices->nodes[at].next)
        device->abilities |= devices->nodes[at].abilities;
    device->who.looks = node->looks;
}

void np_devices_add_node(np_devices *devices, uint32_t device, uint32_t index)
{
    uint32_t *at = &devices->list[device].first_node;

    if (*at == NP_NONE) devices->list[device].who = np_devices_who(&devices->nodes[index]);
    while (*at != NP_NONE)
        at = &devices->nodes[*at].next;
    *at = index;
    devices->nodes[index].device = device;
    devices->nodes[index].presence = NP_HERE;
}

static void forget_dirty(np_devices *devices, const np_node *node)
{
    uint32_t kept = 0;

    for (uint32_t i = 0; i < devices->dirty_count; i++) {
        uint32_t signal = devices->dirty[i];
        if (signal - node->first_signal >= node->signals) devices->dirty[kept++] = (uint16_t)signal;
    }
    devices->dirty_count = kept;
}

void np_devices_drop_node(np_devices *devices, uint32_t index)
{
    np_node *node = &devices->nodes[index];

    if (node->device != NP_NONE) {
        uint32_t *at = &devices->list[node->device].first_node;
        while (*at != index)
            at = &devices->nodes[*at].next;
        *at = node->next;
    }
    forget_dirty(devices, node);
    np_span_give(&devices->signal_span, node->first_signal, node->signals);
    node->presence = NP_FREE;
    map_again(devices);
}

void np_devices_drop(np_devices *devices, uint32_t device)
{
    uint32_t i = 0;

    devices->list[device].presence = NP_GONE;
    devices->list[device].gone_order = ++devices->gone_count;
    while (devices->order[i] != device)
        i++;
    devices->count--;
    memmove(&devices->order[i], &devices->order[i + 1],
            (devices->count - i) * sizeof *devices->order);
}

void np_devices_set_stale(np_devices *devices, uint32_t node, bool stale)
{
    devices->nodes[node].stale = stale;
    devices->resync_wanted |= stale;
}

uint32_t np_devices_next_stale(np_devices *devices)
{
    for (uint32_t i = 0; devices->resync_wanted && i < devices->node_limit; i++) {
        np_node *node = &devices->nodes[i];
        if (node->presence != NP_HERE || node->stale != 1) continue;
        node->stale = 2;
        return i;
    }
    devices->resync_wanted = false;
    return NP_NONE;
}

void np_devices_resync(np_devices *devices, uint32_t index, bool begins)
{
    np_node *node = &devices->nodes[index];

    node->resyncing = begins;
    for (uint32_t i = 0; begins && i < node->signals; i++)
        devices->flags[node->first_signal + i] |= NP_SIGNAL_UNSEEN;
}

nplug_device np_devices_handle(const np_devices *devices, uint32_t device)
{
    return devices->list[device].generation << PLACE_BITS | (device + 1);
}

uint32_t np_devices_index(const np_devices *devices, nplug_device handle)
{
    uint32_t place = (handle & ((1u << PLACE_BITS) - 1)) - 1;

    if (place >= devices->limit || devices->list[place].generation == 0) return NP_NONE;
    return devices->list[place].generation == handle >> PLACE_BITS ? place : NP_NONE;
}

uint32_t np_devices_here(const np_devices *devices, nplug_device handle)
{
    uint32_t device = np_devices_index(devices, handle);

    if (device != NP_NONE && devices->list[device].presence != NP_HERE) return NP_NONE;
    return device;
}

nplug_result np_devices_check(const np_devices *devices, nplug_device handle)
{
    uint32_t place = (handle & ((1u << PLACE_BITS) - 1)) - 1;

    if (place >= devices->limit || devices->list[place].generation == 0) return NPLUG_ERR_UNKNOWN;
    if (handle >> PLACE_BITS != devices->list[place].generation) return NPLUG_ERR_STALE;
    return devices->list[place].presence == NP_HERE ? NPLUG_OK : NPLUG_ERR_STALE;
}

/* --- signals -------------------------------------------------------------------------------- */

void np_devices_redirty(np_devices *devices, uint32_t index)
{
    if (!(devices->flags[index] & NP_SIGNAL_CLEAN)) return;
    devices->flags[index] &= (uint8_t)~NP_SIGNAL_CLEAN;
    devices->dirty[devices->dirty_count++] = (uint16_t)index;
}

static void note_first(np_devices *devices, uint32_t index)
{
    np_node *node = &devices->nodes[devices->signals[index].node];

    if (!node->began && node->presence == NP_HERE) node->began = node->last + 1;
}

/* What a signal is no more that says something; `flags` are its own. */
static inline void note_moved(np_devices *devices, uint32_t index, uint8_t flags)
{
    if (!(flags & NP_SIGNAL_UNMOVED)) return;
    if (flags & NP_SIGNAL_SILENT) note_first(devices, index);
    if (flags & NP_SIGNAL_CLEAN) devices->dirty[devices->dirty_count++] = (uint16_t)index;
    devices->flags[index] = flags & (uint8_t)~NP_SIGNAL_UNMOVED;
}

void np_devices_note_finger(np_devices *devices, uint32_t index, uint32_t finger)
{
    devices->fingers.set |= 1u << finger;
    devices->fingers.node = devices->signals[index].node;
}

np_fingers np_devices_take_fingers(np_devices *devices)
{
    np_fingers fingers = devices->fingers;

    devices->fingers.set = 0;
    return fingers;
}

void np_devices_follow(np_devices *devices, uint32_t index, bool followed)
{
    devices->flags[index] &= (uint8_t)~NP_SIGNAL_FOLLOWED;
    if (followed) devices->flags[index] |= NP_SIGNAL_FOLLOWED;
}

APART bool np_devices_moved(np_devices *devices, uint32_t index)
{
    uint8_t flags = devices->flags[index];

    if (flags & NP_SIGNAL_UNGUARDED) return false;
    if (flags & NP_SIGNAL_FOLLOWED)
        np_devices_note_finger(devices, index, devices->signals[index].finger);
    note_moved(devices, index, flags);
    return true;
}

bool np_devices_quick_value(np_devices *devices, uint32_t index, int32_t value)
{
    if (!np_guard_holds(&devices->guards[index], value)) return false;
    if (devices->flags[index] && !np_devices_moved(devices, index)) return false;
    devices->raw[index] = value;
    return true;
}

void np_devices_store(np_devices *devices, uint32_t index, int32_t value)
{
    uint32_t before = (uint32_t)devices->raw[index];
    bool adds = devices->signals[index].nature == NPLUG_NATURE_DELTA;

    devices->raw[index] = adds ? (int32_t)(before + (uint32_t)value) : value;
    note_moved(devices, index, devices->flags[index]);
}

/* A report's signal, kind and flags as one number: of a value, all but the last is its signal. */
static inline uint32_t word_of(const nplug_report *report)
{
    return report->signal | (uint32_t)report->kind << 16 | (uint32_t)report->flags << 24;
}
#define WORD_SIGNAL 0xffffffu
#define WORD_MORE   ((uint32_t)NPLUG_REPORT_FLAG_MORE << 24)

/* Whether a value inside its guard is taken, and all that hangs on it is noted.  Nearly all that
 * has a flag is a finger that somebody follows, and nothing else. */
static inline bool is_noted(np_devices *devices, uint32_t index, uint8_t flags)
{
    if (flags != NP_SIGNAL_FOLLOWED) return np_devices_moved(devices, index);
    np_devices_note_finger(devices, index, devices->signals[index].finger);
    return true;
}

/* One group's values: false where one is not to be taken quickly, and *at says which.  A ring holds
 * whole groups only, so each has its end; one that goes around the ring's end meets the mark there.
 */
static inline bool take_one(np_devices *devices, np_node *node, const nplug_report **at, bool *over)
{
    const np_guard *guards = devices->guards + node->first_signal;
    const uint8_t *flags = devices->flags + node->first_signal;
    int32_t *raw = devices->raw + node->first_signal;
    const nplug_report *report = *at;
    uint32_t number = report->device, signals = node->signals;

    node->last = report->time;
    do {
        uint32_t word = word_of(report), signal = word & WORD_SIGNAL;
        if (signal >= signals || !np_guard_holds(&guards[signal], report->data.value)) break;
        if (flags[signal] && !is_noted(devices, node->first_signal + signal, flags[signal])) break;
        raw[signal] = report++->data.value;
        if (word & WORD_MORE) continue;
        *at = report;
        *over = devices->fingers.set != 0;
        return !*over;
    } while (report->device == number);
    *at = report;
    return false;
}

APART np_node *np_devices_take(np_devices *devices, np_row *row)
{
    while (row->at < row->end && row->at->time >= row->processed && row->at->time <= row->until) {
        uint32_t number = row->at->device;
        np_node *node = devices->recent[number % NP_RECENT].node;
        if (devices->recent[number % NP_RECENT].who != (row->port | number)) return NULL;
        row->processed = row->at->time;
        if (!take_one(devices, node, &row->at, &row->over)) return node;
    }
    return NULL;
}

void np_devices_rest(np_devices *devices, uint32_t index, int32_t raw)
{
    devices->raw[index] = raw;
}

void np_devices_found_rest(np_devices *devices, uint32_t index, np_rests rests)
{
    devices->signals[index].rests = (uint8_t)rests & 3u;
}

void np_devices_touch(np_devices *devices, uint32_t index)
{
    /* Whatever it says next in this group is to be seen, too. */
    devices->flags[index] |= NP_SIGNAL_UNGUARDED | NP_SIGNAL_TOUCHED;
    devices->touched[devices->touched_count++] = (uint16_t)index;
}

void np_devices_untouch(np_devices *devices)
{
    for (uint32_t i = 0; i < devices->touched_count; i++)
        devices->flags[devices->touched[i]] &= (uint8_t)~NP_SIGNAL_TOUCHED;
    devices->touched_count = 0;
}

void np_devices_clean(np_devices *devices)
{
    for (uint32_t i = 0; i < devices->dirty_count; i++)
        if (!devices->signals[devices->dirty[i]].unread)
            devices->flags[devices->dirty[i]] |= NP_SIGNAL_CLEAN;
    devices->dirty_count = 0;
}

/* Marked neither as dirty nor as clean, a signal is passed by. */
void np_devices_leave_unread(np_devices *devices, uint32_t index)
{
    devices->signals[index].unread = 1;
}

static void read_again(np_devices *devices, uint32_t index)
{
    uint32_t i = 0;

    devices->signals[index].unread = 0;
    while (i < devices->dirty_count && devices->dirty[i] != index)
        i++;
    if (i == devices->dirty_count) devices->dirty[devices->dirty_count++] = (uint16_t)index;
}

void np_devices_guard(np_devices *devices, uint32_t index, bool any, int32_t low, int32_t high)
{
    devices->guards[index].low = low;
    devices->guards[index].width = (uint32_t)high - (uint32_t)low;
    devices->flags[index] &= (uint8_t)~NP_SIGNAL_UNGUARDED;
    if (any) return;
    devices->flags[index] |= NP_SIGNAL_UNGUARDED;
    if (devices->signals[index].unread) read_again(devices, index);
}

void np_devices_unguard(np_devices *devices, uint32_t device)
{
    uint32_t signal;

    for (uint32_t i = 0; (signal = np_devices_signal(devices, device, i)) != NP_NONE; i++)
        np_devices_guard(devices, signal, false, 0, 0);
}

void np_devices_unguard_all(np_devices *devices)
{
    for (uint32_t i = 0; i < devices->count; i++)
        np_devices_unguard(devices, devices->order[i]);
}

/* --- buttons that bounce -------------------------------------------------------------------- */

static np_bouncer *bouncer_of(np_devices *devices, uint32_t signal)
{
    for (unsigned i = 0; i < NP_BOUNCERS; i++)
        if (devices->bouncers[i].span && devices->bouncers[i].signal == signal)
            return &devices->bouncers[i];
    return NULL;
}

void np_devices_bounces(np_devices *devices, uint32_t signal, uint16_t milliseconds)
{
    for (unsigned i = 0; i < NP_BOUNCERS; i++) {
        np_bouncer *bouncer = &devices->bouncers[i];
        if (bouncer->span) continue;
        memset(bouncer, 0, sizeof *bouncer);
        bouncer->signal = signal;
        bouncer->span = 1000u * milliseconds;
        devices->flags[signal] |= NP_SIGNAL_BOUNCES;
        return;
    }
}

bool np_devices_settled(np_devices *devices, uint32_t signal, int32_t value, nplug_time time,
                        nplug_time *due)
{
    np_bouncer *bouncer = bouncer_of(devices, signal);

    if (time >= bouncer->until) {
        if (value != devices->raw[signal]) bouncer->until = time + bouncer->span;
        return true;
    }
    bouncer->said = value;
    *due = bouncer->waits ? 0 : bouncer->until;
    bouncer->waits = true;
    return false;
}

int32_t np_devices_waited(np_devices *devices, uint32_t signal)
{
    np_bouncer *bouncer = bouncer_of(devices, signal);

    bouncer->waits = false;
    return bouncer->said;
}

void np_devices_note_motion(np_devices *devices, uint32_t device, nplug_time time)
{
    devices->list[device].moved_last = time ? time : 1;
}

void np_devices_steady(np_devices *devices, uint32_t signal)
{
    np_bouncer *bouncer = bouncer_of(devices, signal);

    if (bouncer) bouncer->span = 0;
    devices->flags[signal] &= (uint8_t)~NP_SIGNAL_BOUNCES;
}

uint32_t np_devices_signal(const np_devices *devices, uint32_t device, uint32_t index)
{
    uint32_t at = devices->list[device].first_node;

    for (; at != NP_NONE; at = devices->nodes[at].next) {
        const np_node *node = &devices->nodes[at];
        if (index < node->signals) return node->first_signal + index;
        index -= node->signals;
    }
    return NP_NONE;
}

uint32_t np_devices_signal_count(const np_devices *devices, uint32_t device)
{
    uint32_t at = devices->list[device].first_node, count = 0;

    for (; at != NP_NONE; at = devices->nodes[at].next)
        count += devices->nodes[at].signals;
    return count;
}
