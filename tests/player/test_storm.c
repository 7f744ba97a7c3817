/* A storm of hardware and calls, against the rules for players written plainly.
 *
 * NPLUG_STORM=N: so many operations, NPLUG_SEED=S: from that seed on (1).  Here it is a tenth of
 * the million that ./dev test runs without sanitizers, which make it seven times as slow. */
#include "ledger.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define SEEDS   10
#define KNOWN   1500 /* operations of each that stand in the ledger */
#define UNITS   11
#define PLAYERS 4
#define PARTS   2
#define DEVS    40

/* Lost: somebody misses it.  Left: nobody does; it is known again as long as its place is its. */
typedef enum { NOWHERE, HERE, AWAY, LOST, LEFT } state;

/* A piece of hardware: what it would say of itself, and where it is plugged in. */
typedef struct unit {
    const char *serial;
    uint16_t product;
    bool keyboard;
    uint32_t socket; /* 0: it does not say */
    int dev;         /* which device it is; -1: it is not plugged in */
    bool phys[3];    /* which of its buttons are held */
} unit;

/* A device as players know it; parts from 1, and 0 for a whole one. */
typedef struct dev {
    state state;
    const char *serial;
    uint16_t product;
    uint32_t socket;
    bool keyboard, parted;
    bool forgotten;              /* another one is now what it was */
    uint32_t hearers[PARTS + 1]; /* bit 0 is player 1 */
    bool down[3], spent[3];      /* by button; a keyboard's third is in no part */
    uint32_t missed[3];          /* by button: who came to hear it when it was down already */
    uint64_t until;              /* when a wobble, or waiting, is over */
    uint64_t came, went;         /* in which order */
    nplug_device handle;
} dev;

typedef struct storm {
    test_rig rig;
    hand_port port;
    nplug_seats rule;
    uint32_t wobble, waits; /* ms */
    bool parts, deaf;
    unit units[UNITS];
    dev devs[DEVS];
    bool seated[PLAYERS + 1];
    uint64_t now, order;
    uint32_t random, seed, op;
    nplug_device old[4096]; /* handles of devices that are no more */
    uint32_t old_count;
    int64_t balance[NPLUG_EVENT_FULL + 1];
    int64_t presses[PLAYERS + 1];
} storm;

/* As an assertion, of which Check keeps a record each: there are too many here. */
#define HOLDS(s, condition)                                                                        \
    do {                                                                                           \
        if (!(condition))                                                                          \
            ck_abort_msg("seed %u, operation %u: %s", (s)->seed, (s)->op, #condition);             \
    } while (0)

static uint32_t below(storm *s, uint32_t n)
{
    s->random = s->random * 1664525u + 1013904223u;
    return (uint32_t)(((uint64_t)(s->random >> 4) * n) >> 28);
}

/* --- the rules -------------------------------------------------------------------------------- */

static uint32_t all_hearers(const dev *d)
{
    return d->hearers[0] | d->hearers[1] | d->hearers[2];
}

static bool is_known(const dev *d)
{
    return d->state == HERE || d->state == AWAY;
}

/* Which part a button is in; -1: in none. */
static int part_of(const dev *d, unsigned button)
{
    return !d->parted ? 0 : button < PARTS ? (int)button + 1 : -1;
}

static void let_go(dev *d, int part)
{
    for (unsigned b = 0; b < 3; b++)
        if (part < 0 || part_of(d, b) == part) d->spent[b] |= d->down[b];
}

static void set_hearers(dev *d, int part, uint32_t hearers)
{
    uint32_t was = d->hearers[part];

    if (was == hearers) return;
    if (!(was & hearers)) let_go(d, part);
    for (unsigned b = 0; b < 3; b++)
        if (d->down[b] && part_of(d, b) == part) d->missed[b] |= hearers & ~was;
    d->hearers[part] = hearers;
}

static void set_all(dev *d, uint32_t hearers)
{
    for (int i = d->parted; i <= (d->parted ? PARTS : 0); i++)
        set_hearers(d, i, hearers);
}

static bool has_device(const storm *s, int p)
{
    for (int i = 0; i < DEVS; i++)
        if (is_known(&s->devs[i]) && (all_hearers(&s->devs[i]) >> (p - 1)) & 1u) return true;
    return false;
}

static uint32_t missed_by(const storm *s, int p)
{
    uint32_t count = 0;

    for (int i = 0; i < DEVS; i++)
        count += s->devs[i].state == LOST && (all_hearers(&s->devs[i]) >> (p - 1)) & 1u;
    return count;
}

static bool waits(const storm *s, int p)
{
    return s->seated[p] && !has_device(s, p);
}

static uint32_t waiting_for(const storm *s, const dev *d)
{
    uint32_t bits = all_hearers(d);

    for (int p = 1; p <= PLAYERS; p++)
        if (!waits(s, p)) bits &= ~(1u << (p - 1));
    return bits;
}

static void stop_missing(dev *d, uint32_t players)
{
    for (int i = 0; i <= PARTS; i++)
        d->hearers[i] &= ~players;
    if (all_hearers(d) == 0) d->state = LEFT;
}

static void leave(storm *s, int p)
{
    if (!s->seated[p]) return;
    for (int i = 0; i < DEVS; i++) {
        dev *d = &s->devs[i];
        for (int part = 0; is_known(d) && part <= PARTS; part++)
            set_hearers(d, part, d->hearers[part] & ~(1u << (p - 1)));
        if (d->state == LOST) stop_missing(d, 1u << (p - 1));
    }
    s->seated[p] = false;
}

static int free_seat(const storm *s)
{
    for (int p = 1; p <= PLAYERS; p++)
        if (!s->seated[p]) return p;
    return 0;
}

/* Keyboards that are not shared are one desk. */
static bool one_desk(const dev *a, const dev *b)
{
    return a != b && a->keyboard && b->keyboard && !a->parted && !b->parted;
}

static void claim(storm *s, dev *d, int part, int p)
{
    uint32_t losers = all_hearers(d);

    s->seated[p] = true;
    if (part)
        set_hearers(d, part, 1u << (p - 1));
    else
        set_all(d, 1u << (p - 1));
    for (int i = 0; i < DEVS; i++)
        if (is_known(&s->devs[i]) && one_desk(d, &s->devs[i]) &&
            !(all_hearers(&s->devs[i]) & ~losers))
            set_all(&s->devs[i], 1u << (p - 1));
}

/* --- who comes back as whom --------------------------------------------------------------------
 */

static bool same(const char *a, const char *b)
{
    return a && b && strcmp(a, b) == 0;
}

static bool serial_tells(const storm *s, const unit *u)
{
    for (int i = 0; i < DEVS; i++)
        if (i != u->dev && s->devs[i].state == HERE && same(s->devs[i].serial, u->serial))
            return false;
    return u->serial != NULL;
}

static bool by_sort(const dev *d, const unit *u)
{
    return d->product == u->product && (!d->serial || !u->serial || same(d->serial, u->serial));
}

static bool by_socket(const dev *d, const unit *u)
{
    return by_sort(d, u) && u->socket && d->socket == u->socket;
}

static bool has_gone(const dev *d, bool away)
{
    return (away && d->state == AWAY) || ((d->state == LOST || d->state == LEFT) && !d->forgotten);
}

/* By serial number the only one; by socket the one that left it last. */
static int surely(const storm *s, const unit *u, bool away)
{
    int found = -1, count = 0;

    for (int i = 0; i < DEVS && serial_tells(s, u); i++)
        if (has_gone(&s->devs[i], away) && same(s->devs[i].serial, u->serial)) {
            found = i;
            count++;
        }
    if (count == 1) return found;
    found = -1;
    for (int i = 0; i < DEVS; i++) {
        const dev *d = &s->devs[i];
        if (!has_gone(d, away) || !by_socket(d, u)) continue;
        if (found < 0 || d->state == AWAY ||
            (s->devs[found].state != AWAY && d->went > s->devs[found].went))
            found = i;
    }
    return found;
}

static bool same_hearers(const dev *a, const dev *b)
{
    return a->hearers[0] == b->hearers[0] && a->hearers[1] == b->hearers[1] &&
           a->hearers[2] == b->hearers[2];
}

/* Which one it is, of those that went a moment ago or are lost; -1: none of them.  Several that the
 * same players miss may stand for each other: the one that went last does. */
static int returning(const storm *s, const unit *u, state from)
{
    int found = surely(s, u, from == AWAY);

    if (found >= 0)
        return s->devs[found].state == from &&
                       (from == LOST || s->devs[found].product == u->product)
                   ? found
                   : -1;
    for (int i = 0; i < DEVS; i++) {
        const dev *d = &s->devs[i];
        if (d->state != from || !by_sort(d, u)) continue;
        if (found >= 0 && (from == AWAY || !same_hearers(d, &s->devs[found]))) return -1;
        if (found < 0 || d->went > s->devs[found].went) found = i;
    }
    return found;
}

static void take_place(dev *d, dev *lost)
{
    dev was = *lost;

    stop_missing(lost, all_hearers(lost));
    if (was.parted != d->parted) {
        set_all(d, all_hearers(&was));
        return;
    }
    for (int i = 0; i <= PARTS; i++)
        set_hearers(d, i, d->hearers[i] | was.hearers[i]);
}

static void arrive_anew(storm *s, dev *d, int lost)
{
    const dev *desk = NULL;

    if (lost >= 0) {
        take_place(d, &s->devs[lost]);
        return;
    }
    for (int i = 0; i < DEVS; i++) {
        const dev *other = &s->devs[i];
        if (!is_known(other) || !one_desk(d, other) || !all_hearers(other)) continue;
        if (!desk || other->came < desk->came) desk = other;
    }
    if (desk) {
        set_all(d, all_hearers(desk));
        return;
    }
    if (s->rule == NPLUG_SEATS_BY_ARRIVAL && free_seat(s)) claim(s, d, 0, free_seat(s));
}

/* The place that is given to a new device. */
static int place_for_new(const storm *s)
{
    int place = -1;

    for (int i = 0; i < DEVS; i++) {
        const dev *d = &s->devs[i];
        if (d->state == NOWHERE) return i;
        if (d->state == LEFT && (place < 0 || d->went < s->devs[place].went)) place = i;
    }
    return place;
}

static void arrive(storm *s, unit *u)
{
    int back = returning(s, u, AWAY), known = back < 0 ? surely(s, u, false) : -1;
    int lost = back < 0 ? returning(s, u, LOST) : -1, place = back < 0 ? place_for_new(s) : back;
    dev *d = &s->devs[place];

    HOLDS(s, place >= 0);
    u->dev = place;
    if (known >= 0) s->devs[known].forgotten = true;
    if (lost >= 0) s->devs[lost].forgotten = true;
    if (back < 0) {
        memset(d, 0, sizeof *d);
        d->came = s->order++;
    }
    memset(d->down, 0, sizeof d->down);
    memset(d->spent, 0, sizeof d->spent);
    d->state = HERE;
    d->serial = u->serial;
    d->product = u->product;
    d->socket = u->socket;
    d->keyboard = u->keyboard;
    d->parted = u->keyboard && s->parts;
    if (back < 0) arrive_anew(s, d, lost);
}

static void depart(storm *s, dev *d)
{
    HOLDS(s, s->old_count < COUNT_OF(s->old));
    s->old[s->old_count++] = d->handle;
    d->handle = 0;
    d->went = s->order++;
    d->state = all_hearers(d) ? LOST : LEFT;
    d->until = s->waits ? d->until + s->waits * 1000u : UINT64_MAX;
}

static void unplugged(storm *s, dev *d)
{
    memset(d->down, 0, sizeof d->down);
    d->until = s->now + s->wobble * 1000u;
    d->state = AWAY;
    if (s->wobble == 0) depart(s, d);
}

static void waited(storm *s, dev *d)
{
    uint32_t players = all_hearers(d);

    stop_missing(d, players);
    for (int p = 1; p <= PLAYERS; p++)
        if ((players >> (p - 1)) & 1u && waits(s, p) && missed_by(s, p) == 0) leave(s, p);
}

/* All that is over by now, in order of time. */
static void pass_time(storm *s)
{
    for (;;) {
        dev *first = NULL;
        for (int i = 0; i < DEVS; i++) {
            dev *d = &s->devs[i];
            if ((d->state != AWAY && d->state != LOST) || d->until > s->now) continue;
            if (!first || d->until < first->until) first = d;
        }
        if (!first) return;
        if (first->state == AWAY)
            depart(s, first);
        else
            waited(s, first);
    }
}

static dev *to_take_over(storm *s, const dev *d)
{
    for (int alike = 1; alike >= 0 && s->rule != NPLUG_SEATS_BY_CALL; alike--) {
        dev *best = NULL;
        for (int i = 0; i < DEVS; i++) {
            dev *lost = &s->devs[i];
            if (lost->state != LOST || (lost->product == d->product) != alike) continue;
            if (waiting_for(s, lost) && (!best || lost->went < best->went)) best = lost;
        }
        if (best) return best;
    }
    return NULL;
}

/* One part is taken, for those who heard one: the same one, or else the first that is waited for.
 */
static void take_over(storm *s, dev *d, int part, dev *lost)
{
    uint32_t waiting = waiting_for(s, lost);
    int from = part;

    if (!(lost->hearers[from] & waiting))
        for (from = 0; !(lost->hearers[from] & waiting);)
            from++;
    waiting &= lost->hearers[from];
    stop_missing(lost, waiting);
    set_hearers(d, part, waiting);
}

static void press(storm *s, dev *d, unsigned button)
{
    int part = part_of(d, button);
    dev *lost = to_take_over(s, d);

    d->down[button] = true;
    d->missed[button] = 0;
    d->spent[button] = s->deaf;
    if (s->deaf || part < 0 || d->hearers[part]) return;
    if (!lost && (s->rule != NPLUG_SEATS_FIRST_USE || !free_seat(s))) return;
    d->spent[button] = true;
    if (lost)
        take_over(s, d, part, lost);
    else
        claim(s, d, part, free_seat(s));
}

static void swap_seats(storm *s, int a, int b)
{
    bool seated = s->seated[a];

    s->seated[a] = s->seated[b];
    s->seated[b] = seated;
    for (int i = 0; i < DEVS; i++)
        for (int part = 0; part <= PARTS; part++) {
            dev *d = &s->devs[i];
            uint32_t was = d->hearers[part], bits = was & ~(1u << (a - 1) | 1u << (b - 1));
            if ((was >> (a - 1)) & 1u) bits |= 1u << (b - 1);
            if ((was >> (b - 1)) & 1u) bits |= 1u << (a - 1);
            for (unsigned k = 0; k < 3 && was == bits; k++)
                if (d->down[k] && part_of(d, k) == part)
                    d->missed[k] |= was & (1u << (a - 1) | 1u << (b - 1));
            if (is_known(d))
                set_hearers(d, part, bits);
            else
                d->hearers[part] = bits;
        }
}

/* --- the nest's side ---------------------------------------------------------------------------
 */

static void push_text(storm *s, uint32_t device, nplug_text which, const char *text)
{
    nplug_push_text(s->port.ring, s->now, device, which, text);
}

static void push_arrival(storm *s, uint32_t device)
{
    const unit *u = &s->units[device];
    uint16_t signals = u->keyboard ? 3 : 1;
    nplug_report report = {0};
    char socket[16];

    report.time = s->now;
    report.device = device;
    report.kind = NPLUG_REPORT_ARRIVE;
    report.data.arrive.bus = 3;
    report.data.arrive.vendor = 0xb12d;
    report.data.arrive.product = u->product;
    report.data.arrive.signals = signals;
    nplug_push(s->port.ring, &report, 1);
    if (u->serial) push_text(s, device, NPLUG_TEXT_SERIAL, u->serial);
    snprintf(socket, sizeof socket, "usb-%u", u->socket);
    if (u->socket) push_text(s, device, NPLUG_TEXT_SOCKET, socket);
    for (uint16_t i = 0; i < signals; i++) {
        static const uint32_t keys[3] = {17, 103, 57}; /* KeyW, ArrowUp, Space as the kernel says */
        memset(&report, 0, sizeof report);
        report.time = s->now;
        report.device = device;
        report.kind = NPLUG_REPORT_SIGNAL;
        report.signal = i;
        report.data.signal.code = 1u << 16 | (u->keyboard ? keys[i] : 0x130);
        report.data.signal.max = 1;
        report.data.signal.space = NPLUG_SPACE_EVDEV;
        nplug_push(s->port.ring, &report, 1);
    }
    push_kind(s->port.ring, s->now, device, NPLUG_REPORT_READY);
}

static void push_focus(storm *s, bool focused)
{
    nplug_report report = {0};

    report.time = s->now;
    report.kind = NPLUG_REPORT_FOCUS;
    report.data.value = focused;
    nplug_push(s->port.ring, &report, 1);
}

/* --- operations --------------------------------------------------------------------------------
 */

static void plug_or_unplug(storm *s, uint32_t number)
{
    unit *u = &s->units[number];

    pass_time(s);
    if (u->dev >= 0) {
        push_kind(s->port.ring, s->now, number, NPLUG_REPORT_DEPART);
        unplugged(s, &s->devs[u->dev]);
        u->dev = -1;
        return;
    }
    if (u->socket && below(s, 3) == 0) u->socket = number + 1 + (below(s, 2) ? UNITS : 0);
    push_arrival(s, number);
    arrive(s, u);
}

static void move_button(storm *s, uint32_t number, unsigned button)
{
    unit *u = &s->units[number];
    nplug_report report;
    dev *d;

    pass_time(s);
    if (u->dev < 0) return;
    d = &s->devs[u->dev];
    if (!u->keyboard) button = 0;
    report = value_report(s->now, number, (uint16_t)button, !d->down[button], false);
    nplug_push(s->port.ring, &report, 1);
    if (!d->down[button])
        press(s, d, button);
    else
        d->down[button] = d->spent[button] = false;
}

static void turn_focus(storm *s)
{
    pass_time(s);
    push_focus(s, s->deaf);
    s->deaf = !s->deaf;
    for (int i = 0; i < DEVS; i++)
        if (s->devs[i].state == HERE) let_go(&s->devs[i], -1);
}

/* Calls are taken before the time that the step is about passes. */
static void call(storm *s, dev *d, int p, uint32_t which)
{
    nplug_result result = NPLUG_OK;
    int other = 1 + (int)below(s, PLAYERS), part = d->parted ? (int)below(s, PARTS + 1) : 0;

    switch (which) {
    case 0:
        result = nplug_claim_part(s->rig.nest, d->handle, (uint32_t)part, (nplug_player)p);
        claim(s, d, part, p);
        break;
    case 1:
        result = nplug_share(s->rig.nest, d->handle, (nplug_player)p);
        s->seated[p] = true;
        for (int i = d->parted; i <= (d->parted ? PARTS : 0); i++)
            set_hearers(d, i, d->hearers[i] | 1u << (p - 1));
        break;
    case 2:
        result = nplug_unclaim(s->rig.nest, d->handle);
        for (int i = 0; i <= PARTS; i++)
            set_hearers(d, i, 0);
        break;
    case 3:
        result = nplug_unclaim_for(s->rig.nest, d->handle, (nplug_player)p);
        for (int i = 0; i <= PARTS; i++)
            set_hearers(d, i, d->hearers[i] & ~(1u << (p - 1)));
        break;
    case 4:
        if (p == other) break;
        result = nplug_swap(s->rig.nest, (nplug_player)p, (nplug_player)other);
        swap_seats(s, p, other);
        break;
    default:
        result = nplug_leave(s->rig.nest, (nplug_player)p);
        leave(s, p);
        break;
    }
    HOLDS(s, result == NPLUG_OK);
    pass_time(s);
}

static void operate(storm *s)
{
    uint32_t number = below(s, UNITS), what = below(s, 100), player = 1 + below(s, PLAYERS);
    const unit *u = &s->units[number];

    s->now += 1 + below(s, 30000);
    if (what < 35)
        plug_or_unplug(s, number);
    else if (what < 80)
        move_button(s, number, below(s, 3));
    else if (what < 83)
        turn_focus(s);
    else if (u->dev >= 0)
        call(s, &s->devs[u->dev], (int)player, below(s, 6));
    else
        pass_time(s);
}

/* --- what must hold ----------------------------------------------------------------------------
 */

static void count_events(storm *s)
{
    for (uint32_t i = 0; i < nplug_event_count(s->rig.nest); i++) {
        const nplug_event *event = nplug_event_at(s->rig.nest, i);
        s->balance[event->kind]++;
        if (event->kind == NPLUG_EVENT_PRESS) s->presses[event->player]++;
        if (event->kind == NPLUG_EVENT_RELEASE) s->presses[event->player]--;
    }
}

static void check_handle(storm *s, dev *d, nplug_device handle)
{
    HOLDS(s, handle != 0);
    if (d->handle) {
        HOLDS(s, d->handle == handle);
        return;
    }
    for (uint32_t i = 0; i < s->old_count; i++)
        HOLDS(s, s->old[i] != handle);
    d->handle = handle;
}

/* Devices stand in the order in which they came. */
static void check_devices(storm *s)
{
    uint32_t place = 0;

    for (uint64_t last = 0;; place++) {
        dev *next = NULL;
        for (int i = 0; i < DEVS; i++)
            if (is_known(&s->devs[i]) && s->devs[i].came >= last &&
                (!next || s->devs[i].came < next->came))
                next = &s->devs[i];
        if (!next) break;
        last = next->came + 1;
        check_handle(s, next, nplug_device_at(s->rig.nest, place));
        for (uint32_t part = 1; next->parted && part <= PARTS; part++)
            HOLDS(s, nplug_part_players(s->rig.nest, next->handle, part) == next->hearers[part]);
        HOLDS(s, nplug_part_players(s->rig.nest, next->handle, 0) == all_hearers(next));
    }
    HOLDS(s, nplug_device_count(s->rig.nest) == place);
}

static bool is_held(const storm *s, int p)
{
    for (int u = 0; u < UNITS; u++) {
        const dev *d = &s->devs[s->units[u].dev < 0 ? 0 : s->units[u].dev];
        for (unsigned b = 0; s->units[u].dev >= 0 && b < 3; b++) {
            int part = part_of(d, b);
            if (!d->down[b] || d->spent[b] || part < 0) continue;
            if (p == 0 ? d->hearers[part] == 0
                       : ((d->hearers[part] & ~d->missed[b]) >> (p - 1)) & 1u)
                return true;
        }
    }
    return false;
}

/* A player who has any device is shown prompts of one of them. */
static bool uses_own(const storm *s, int p)
{
    nplug_device active = active_of(s->rig.nest, (nplug_player)p).device;

    for (int i = 0; i < DEVS; i++)
        if (is_known(&s->devs[i]) && s->devs[i].handle == active)
            return (all_hearers(&s->devs[i]) >> (p - 1)) & 1u;
    return false;
}

static void check_players(storm *s)
{
    int64_t seated = 0;
    bool anyone = false;

    for (int p = 0; p <= PLAYERS; p++) {
        HOLDS(s, s->presses[p] == is_held(s, p));
        anyone |= is_held(s, p);
        if (p == 0) continue;
        HOLDS(s, nplug_held(s->rig.nest, (nplug_player)p, HORN) == is_held(s, p));
        seated += s->seated[p];
        HOLDS(s, !has_device(s, p) || uses_own(s, p));
        HOLDS(s, nplug_player_seated(s->rig.nest, (nplug_player)p) == s->seated[p]);
        HOLDS(s, nplug_player_waits(s->rig.nest, (nplug_player)p) == waits(s, p));
        HOLDS(s, !nplug_missed_at(s->rig.nest, (nplug_player)p, missed_by(s, p)));
        HOLDS(s, missed_by(s, p) == 0 ||
                     nplug_missed_at(s->rig.nest, (nplug_player)p, missed_by(s, p) - 1));
    }
    HOLDS(s, nplug_held(s->rig.nest, NPLUG_EVERYONE, HORN) == anyone);
    HOLDS(s, counts_of(s->rig.nest).events_dropped == 0);
    HOLDS(s, s->balance[NPLUG_EVENT_ARRIVAL] - s->balance[NPLUG_EVENT_DEPARTURE] ==
                 nplug_device_count(s->rig.nest));
    HOLDS(s, s->balance[NPLUG_EVENT_JOIN] - s->balance[NPLUG_EVENT_LEAVE] == seated);
    HOLDS(s, s->balance[NPLUG_EVENT_LIMIT] == 0);
}

/* A nest has room for so many devices that are missed: before it runs out, all get up. */
static void empty_seats(storm *s)
{
    uint32_t lost = 0;

    for (int i = 0; i < DEVS; i++)
        lost += s->devs[i].state == LOST;
    for (int p = 1; lost > DEVS - 2 * UNITS && p <= PLAYERS; p++) {
        nplug_leave(s->rig.nest, (nplug_player)p);
        leave(s, p);
    }
    if (s->old_count > COUNT_OF(s->old) - UNITS) s->old_count = 0;
}

/* --- the storm ---------------------------------------------------------------------------------
 */

static void gather_units(storm *s)
{
    static const unit units[UNITS] = {
        {"H-1", 0x0101, false, 1, -1, {0}},    {"H-2", 0x0101, false, 2, -1, {0}},
        {NULL, 0x0101, false, 3, -1, {0}},     {NULL, 0x0101, false, 4, -1, {0}},
        {NULL, 0x0201, false, 0, -1, {0}},     {NULL, 0x0201, false, 0, -1, {0}},
        {"000000", 0x0201, false, 5, -1, {0}}, {"000000", 0x0201, false, 6, -1, {0}},
        {"T-1", 0x0701, true, 7, -1, {0}},     {NULL, 0x0701, true, 8, -1, {0}},
        {"H-1", 0x0301, false, 9, -1, {0}}}; /* the first one in another mode */
    memcpy(s->units, units, sizeof units);
}

static void open_storm(storm *s, uint32_t seed)
{
    static const nplug_action_def actions[] = {
        [STEER] = {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left", 0},
        [THROTTLE] = {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right", 0},
        [HORN] = {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyW | key:ArrowUp | key:Space",
                  0}};
    static const nplug_part_def parts[PARTS] = {{"left", "KeyW,KeyA"}, {"right", "ArrowUp"}};
    static const nplug_seats rules[] = {NPLUG_SEATS_FIRST_USE, NPLUG_SEATS_BY_ARRIVAL,
                                        NPLUG_SEATS_BY_CALL};
    nplug_game game = nplug_game_for("storm", actions, COUNT_OF(actions), PLAYERS);
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits = nplug_limits_default();

    memset(s, 0, sizeof *s);
    s->seed = s->random = seed;
    s->now = 1000;
    s->rule = game.seats = rules[seed % COUNT_OF(rules)];
    s->wobble = game.wobble_ms = seed % 2 ? 40 : 0;
    s->waits = game.seat_wait_ms = seed % 4 < 2 ? seed % 3 ? 700 : 7000 : 0;
    s->parts = seed % 8 < 4;
    game.parts = parts;
    game.part_count = s->parts ? PARTS : 0;
    limits.devices = DEVS;
    limits.nodes = 2 * UNITS;
    limits.timers = 2 * DEVS;
    setup.limits = &limits;
    rig_open_setup(&s->rig, &game, setup);
    ck_assert_int_eq(nplug_attach(s->rig.nest, &hand_table, &s->port), NPLUG_OK);
    gather_units(s);
}

static uint32_t from_environment(const char *name, uint32_t otherwise)
{
    const char *value = getenv(name);
    return value ? (uint32_t)strtoul(value, NULL, 10) : otherwise;
}

TESTS(a_storm_keeps_to_the_rules, SEEDS)
{
    uint32_t operations = from_environment("NPLUG_STORM", 100000) / SEEDS;
    static storm s;

    open_storm(&s, from_environment("NPLUG_SEED", 1) + (uint32_t)_i);
    ledger_begin();
    for (s.op = 0; s.op < operations; s.op++) {
        empty_seats(&s);
        operate(&s);
        HOLDS(&s, nplug_step(s.rig.nest, s.now) == NPLUG_OK);
        if (s.op < KNOWN) ledger_note(s.rig.nest);
        if (s.op + 1 == KNOWN) ledger_end("storm", s.seed, SEEDS);
        count_events(&s);
        check_devices(&s);
        check_players(&s);
    }
    rig_close(&s.rig);
}
