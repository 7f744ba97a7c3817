/* Rings: one thread pushes groups, the nest's thread takes them.
 *
 * Owns a ring, each side its own half.  Comes in: reports.  Goes out: whole groups; STALE for what
 * was dropped. */
#include "core/feed/feed.h"
#include <string.h>

void np_ring_layout(struct nplug_ring *ring, np_arena *arena, uint32_t slots)
{
    ring->slots = (nplug_report *)np_arena_take(arena, slots + 1, sizeof(nplug_report));
    if (arena->base) ring->slots[slots].device = NP_RING_END;
    ring->mask = slots - 1;
}

void np_ring_reset(struct nplug_ring *ring, bool lossless)
{
    ring->lossless = lossless;
    ring->write = ring->head = ring->tail = ring->read = 0;
    ring->owed_count = 0;
    ring->broken = false;
}

uint32_t np_ring_waiting(const struct nplug_ring *ring)
{
    return np_load_acquire(&ring->head) - ring->read;
}

void np_ring_release(struct nplug_ring *ring)
{
    np_store_release(&ring->tail, ring->read);
}

uint32_t np_ring_bad_groups(const struct nplug_ring *ring)
{
    return np_load_acquire(&ring->bad_groups);
}

static uint32_t slots_of(const nplug_ring *ring)
{
    return ring->mask + 1;
}

static uint32_t filled(const nplug_ring *ring)
{
    return ring->write - np_load_acquire(&ring->tail);
}

static void count_one(uint32_t *counter, uint32_t more)
{
    np_store_release(counter, *counter + more);
}

size_t nplug_ring_room(const nplug_ring *ring)
{
    return ring ? slots_of(ring) - filled(ring) : 0;
}

/* A STALE that the nest has taken is done with; what is lost after it needs another. */
static void forget_taken(nplug_ring *ring)
{
    uint32_t tail = np_load_acquire(&ring->tail);

    for (uint32_t i = 0; i < ring->owed_count; i++)
        if (ring->owed[i].said && (int32_t)(tail - ring->owed[i].at) > 0)
            ring->owed[i--] = ring->owed[--ring->owed_count];
}

/* Remembers that a device lost reports; where too many did, all of the port's devices. */
static void owe(nplug_ring *ring, uint32_t device)
{
    forget_taken(ring);
    for (uint32_t i = 0; i < ring->owed_count; i++)
        if (ring->owed[i].device == device || ring->owed[i].device == NPLUG_PORT_DEVICE_ALL) return;
    if (ring->owed_count == NP_RING_OWED) {
        ring->owed_count = 0;
        device = NPLUG_PORT_DEVICE_ALL;
    }
    ring->owed[ring->owed_count].device = device;
    ring->owed[ring->owed_count++].said = false;
}

static void put(nplug_ring *ring, const nplug_report *report)
{
    ring->slots[ring->write & ring->mask] = *report;
    ring->write++;
}

static void publish(nplug_ring *ring)
{
    np_store_release(&ring->head, ring->write);
}

/* Says STALE for the devices that lost reports, once each, while there is room. */
static void pay(nplug_ring *ring, nplug_time time)
{
    if (ring->owed_count == 0 || ring->write != ring->head) return;
    for (uint32_t i = 0; i < ring->owed_count && filled(ring) < slots_of(ring); i++) {
        nplug_report stale = {0};
        if (ring->owed[i].said) continue;
        stale.time = time;
        stale.device = ring->owed[i].device;
        stale.kind = NPLUG_REPORT_DROPPED;
        ring->owed[i].said = true;
        ring->owed[i].at = ring->write;
        put(ring, &stale);
    }
    publish(ring);
}

static bool in_last_quarter(const nplug_ring *ring)
{
    return filled(ring) >= slots_of(ring) - slots_of(ring) / 4;
}

/* The open group comes to nothing, and this report with it: what was written is taken back. */
static nplug_result give_up(nplug_ring *ring, const nplug_report *report, uint32_t *counter,
                            uint32_t count, nplug_result result)
{
    count_one(counter, count);
    owe(ring, report->device);
    for (; ring->write != ring->head; ring->write--)
        owe(ring, ring->slots[(ring->write - 1) & ring->mask].device);
    ring->broken = (report->flags & NPLUG_REPORT_FLAG_MORE) != 0;
    ring->device = report->device;
    return result;
}

/* The end of a group whose last slots were dropped: the last one kept must not promise more. */
static void close_group(nplug_ring *ring)
{
    if (ring->write == ring->head) return;
    ring->slots[(ring->write - 1) & ring->mask].flags &= (uint8_t)~NPLUG_REPORT_FLAG_MORE;
    publish(ring);
}

/* Puts one report into the open group, or drops it as movement where room is short. */
static void put_or_drop(nplug_ring *ring, const nplug_report *report)
{
    bool moves = (report->flags & NPLUG_REPORT_FLAG_MOVES) != 0;

    if (moves && !ring->lossless && in_last_quarter(ring)) {
        count_one(&ring->moves_dropped, 1);
        owe(ring, report->device);
        return;
    }
    put(ring, report);
}

/* After a refusal, the rest of that group is passed over. */
static bool passed_over(nplug_ring *ring, const nplug_report *report)
{
    if (!ring->broken) return false;
    ring->broken = report->device == ring->device && report->flags & NPLUG_REPORT_FLAG_MORE;
    return report->device == ring->device;
}

static nplug_result push_one(nplug_ring *ring, const nplug_report *report)
{
    uint32_t open = ring->write - ring->head;

    if (passed_over(ring, report)) return NPLUG_OK;
    if (open >= slots_of(ring) / 4)
        return give_up(ring, report, &ring->bad_groups, 1, NPLUG_ERR_ARGUMENT);
    if (filled(ring) >= slots_of(ring))
        return give_up(ring, report, &ring->reports_dropped, open + 1, NPLUG_ERR_FULL);
    put_or_drop(ring, report);
    if (!(report->flags & NPLUG_REPORT_FLAG_MORE)) close_group(ring);
    return NPLUG_OK;
}

/* As many reports as a group has at most, nearly always. */
#define FEW 8

/* Copies reports into free slots, around the ring's end where need be. */
static void copy_in(nplug_ring *ring, const nplug_report *reports, size_t count)
{
    uint32_t at = ring->write & ring->mask;
    size_t first = slots_of(ring) - at < count ? slots_of(ring) - at : count;

    if (count <= FEW) {
        for (uint32_t i = 0; i < count; i++)
            ring->slots[(at + i) & ring->mask] = reports[i];
        return;
    }
    memcpy(&ring->slots[at], reports, first * sizeof *reports);
    memcpy(ring->slots, reports + first, (count - first) * sizeof *reports);
}

/* How many reports at the head of some are whole groups, none of them too long. */
static size_t whole_groups(const nplug_report *reports, size_t count, size_t longest)
{
    size_t whole = 0, end;

    do {
        end = count - whole < longest ? count : whole + longest;
        while (end > whole && reports[end - 1].flags & NPLUG_REPORT_FLAG_MORE)
            end--;
        if (end == whole) break;
        whole = end;
    } while (whole < count);
    return whole;
}

/* Takes whole groups off the front while the ring is far from full: what nearly every push is.
 * Returns how many reports were taken. */
static size_t push_groups(nplug_ring *ring, const nplug_report *reports, size_t count)
{
    uint32_t used = filled(ring), quarter = slots_of(ring) / 4, ample = slots_of(ring) - quarter;
    size_t taken;

    if (ring->write != ring->head || ring->broken || used >= ample) return 0;
    taken = whole_groups(reports, ample - used < count ? ample - used : count, quarter);
    if (taken == 0) return 0;
    copy_in(ring, reports, taken);
    ring->write += (uint32_t)taken;
    publish(ring);
    return taken;
}

nplug_result nplug_push(nplug_ring *ring, const nplug_report *reports, size_t count)
{
    nplug_result result = NPLUG_OK;

    if (!ring || !reports) return NPLUG_ERR_ARGUMENT;
    if (ring->lossless && count > slots_of(ring) - filled(ring)) return NPLUG_ERR_FULL;
    for (size_t i = 0, taken; i < count; i += taken ? taken : 1) {
        nplug_result one = NPLUG_OK;
        taken = push_groups(ring, reports + i, count - i);
        if (taken == 0) one = push_one(ring, &reports[i]);
        if (one != NPLUG_OK) result = one;
    }
    if (count) pay(ring, reports[count - 1].time);
    return result;
}

nplug_result nplug_push_text(nplug_ring *ring, nplug_time time, uint32_t device, nplug_text which,
                             const char *text)
{
    nplug_result result = NPLUG_OK;
    nplug_report report = {0};

    if (!text) return NPLUG_ERR_ARGUMENT;
    report.time = time;
    report.device = device;
    report.kind = NPLUG_REPORT_TEXT;
    report.signal = (uint16_t)which;
    while (*text && result == NPLUG_OK) {
        size_t length = strlen(text) < 16 ? strlen(text) : 16;
        memset(report.data.text, 0, sizeof report.data.text);
        memcpy(report.data.text, text, length);
        result = nplug_push(ring, &report, 1);
        text += length;
    }
    return result;
}
