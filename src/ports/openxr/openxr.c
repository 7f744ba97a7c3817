/* The openxr port's side of the nest: hands and a headset come and go, fall asleep and say what
 * they do. */
#include "session.h"
#include <string.h>

#define BUS_HOST 0x19
#define FULL     65535
#define SIDE     32767
#define MICRO    1000000 /* metres and radians a second */
#define TURN     1073741824
#define PRODUCT  0x10 /* of the left hand; then the right one's, and the headset's */

/* The port's own numbers of its devices. */
enum { HEAD = OX_HANDS, DEVICES };

/* A pose's numbers: a place, a rotation, flags, a velocity and a turn rate. */
enum { POSE_NUMBERS = 14, TRACKING = 7 };
#define HAND_SIGNALS (17 + OX_POSES * POSE_NUMBERS)

/* The codes of a pose's first number and of its flags. */
typedef struct pose_codes {
    uint32_t place, tracking;
} pose_codes;
static const pose_codes grip = {24, 45}, aim = {31, 52}, view = {38, 59};

typedef struct device {
    bool here, asleep, arriving; /* arriving: declared, and not ready yet */
    nplug_time last;
    int32_t raw[HAND_SIGNALS];
} device;

struct nplug_openxr {
    nplug_ring *ring;
    ox_session session;
    device devices[DEVICES];
};

/* --- opening ---------------------------------------------------------------------------------- */

size_t nplug_openxr_memory_needed(void)
{
    return sizeof(nplug_openxr);
}

static bool is_of_hand(const char *path)
{
    return path && (strncmp(path, "/user/hand/left/", 16) == 0 ||
                    strncmp(path, "/user/hand/right/", 17) == 0);
}

static bool is_profile(const nplug_openxr_profile *profile)
{
    if (!profile->path || profile->path[0] != '/' || (profile->count && !profile->bindings))
        return false;
    for (uint32_t i = 0; i < profile->count; i++)
        if (ox_input_at(profile->bindings[i].input) == OX_INPUTS ||
            !is_of_hand(profile->bindings[i].path))
            return false;
    return true;
}

static bool is_setup(const nplug_openxr_setup *setup)
{
    bool good = setup->size == sizeof *setup && setup->application && *setup->application &&
                strlen(setup->application) < XR_MAX_APPLICATION_NAME_SIZE &&
                (setup->instance == 0) == (setup->session == 0) &&
                (setup->profiles || setup->profile_count == 0);

    for (uint32_t i = 0; good && i < setup->profile_count; i++)
        good = is_profile(&setup->profiles[i]);
    return good;
}

nplug_openxr *nplug_openxr_open(const nplug_openxr_setup *setup, void *block, size_t size)
{
    nplug_openxr *port = (nplug_openxr *)block;

    if (!setup || !block || size < sizeof *port || !is_setup(setup)) return NULL;
    memset(port, 0, sizeof *port);
    port->session.setup = *setup;
    return port;
}

/* --- reports ---------------------------------------------------------------------------------- */

static nplug_report report_of(nplug_time time, unsigned number, nplug_report_kind kind)
{
    nplug_report report = {0};

    report.time = time;
    report.device = number;
    report.kind = (uint8_t)kind;
    return report;
}

static void push_mark(nplug_openxr *port, nplug_time time, unsigned number, nplug_report_kind kind,
                      int32_t value)
{
    nplug_report report = report_of(time, number, kind);

    report.data.value = value;
    nplug_push(port->ring, &report, 1);
}

typedef struct range {
    nplug_nature nature;
    int32_t min, max;
} range;

static void push_signal(nplug_openxr *port, nplug_time time, unsigned number, uint16_t *signal,
                        uint32_t code, range range)
{
    nplug_report report = report_of(time, number, NPLUG_REPORT_SIGNAL);

    report.signal = (*signal)++;
    report.data.signal.code = code;
    report.data.signal.min = range.min;
    report.data.signal.max = range.max;
    report.data.signal.space = NPLUG_SPACE_OPENXR;
    report.data.signal.nature = (uint8_t)range.nature;
    nplug_push(port->ring, &report, 1);
}

static void push_pose_signals(nplug_openxr *port, nplug_time time, unsigned number,
                              uint16_t *signal, pose_codes codes)
{
    range place = {NPLUG_NATURE_POSE, -MICRO, MICRO}, turn = {NPLUG_NATURE_POSE, -TURN, TURN};
    range flags = {NPLUG_NATURE_AXIS, 0, 15};

    for (uint32_t i = 0; i < TRACKING; i++)
        push_signal(port, time, number, signal, codes.place + i, i < 3 ? place : turn);
    for (uint32_t i = 0; i < POSE_NUMBERS - TRACKING; i++)
        push_signal(port, time, number, signal, codes.tracking + i, i ? place : flags);
}

static void push_hand_signals(nplug_openxr *port, nplug_time time, unsigned hand)
{
    range button = {NPLUG_NATURE_BUTTON, 0, 1}, pull = {NPLUG_NATURE_AXIS, 0, FULL};
    range stick = {NPLUG_NATURE_AXIS, -SIDE, SIDE};
    uint16_t signal = 0;

    for (unsigned i = 0; i < OX_INPUTS; i++) {
        uint32_t code = ox_inputs[i].input;
        if (ox_inputs[i].type == XR_ACTION_TYPE_BOOLEAN_INPUT)
            push_signal(port, time, hand, &signal, code, button);
        if (ox_inputs[i].type == XR_ACTION_TYPE_FLOAT_INPUT)
            push_signal(port, time, hand, &signal, code, pull);
        if (ox_inputs[i].type != XR_ACTION_TYPE_VECTOR2F_INPUT) continue;
        push_signal(port, time, hand, &signal, code, stick);
        push_signal(port, time, hand, &signal, code + 1, stick);
    }
    push_pose_signals(port, time, hand, &signal, grip);
    push_pose_signals(port, time, hand, &signal, aim);
}

static void plug(nplug_openxr *port, nplug_time time, unsigned number)
{
    static const char *const names[DEVICES] = {"left hand", "right hand", "headset"};
    nplug_report arrive = report_of(time, number, NPLUG_REPORT_ARRIVE);
    uint16_t signal = 0;

    memset(&port->devices[number], 0, sizeof port->devices[number]);
    port->devices[number].here = port->devices[number].arriving = true;
    port->devices[number].last = time;
    arrive.data.arrive.bus = BUS_HOST;
    arrive.data.arrive.product = (uint16_t)(PRODUCT + number);
    arrive.data.arrive.signals = number == HEAD ? POSE_NUMBERS : HAND_SIGNALS;
    arrive.signal = number == HEAD ? 0 : NPLUG_ABILITY_RUMBLE;
    arrive.data.arrive.times =
        port->session.from_time ? NPLUG_TIME_SOURCE_SERVER : NPLUG_TIME_SOURCE_FRAME;
    nplug_push(port->ring, &arrive, 1);
    nplug_push_text(port->ring, time, number, NPLUG_TEXT_NAME, names[number]);
    if (number == HEAD)
        push_pose_signals(port, time, number, &signal, view);
    else
        push_hand_signals(port, time, number);
}

/* A device is ready when it has said where its controls are: what is held as it comes is known, and
 * presses nothing. */
static void end_arrivals(nplug_openxr *port, nplug_time time)
{
    for (unsigned d = 0; d < DEVICES; d++) {
        if (port->devices[d].arriving) push_mark(port, time, d, NPLUG_REPORT_READY, 0);
        port->devices[d].arriving = false;
    }
}

static void set_here(nplug_openxr *port, nplug_time time, unsigned number, bool here)
{
    if (port->devices[number].here == here) return;
    if (here)
        plug(port, time, number);
    else
        push_mark(port, time, number, NPLUG_REPORT_DEPART, 0);
    port->devices[number].here = here;
}

static void set_asleep(nplug_openxr *port, nplug_time time, bool asleep)
{
    for (unsigned d = 0; d < DEVICES; d++) {
        if (!port->devices[d].here || port->devices[d].asleep == asleep) continue;
        port->devices[d].asleep = asleep;
        push_mark(port, time, d, NPLUG_REPORT_AWAKE, !asleep);
    }
}

/* --- what they say ---------------------------------------------------------------------------- */

/* A group of values of one device. */
typedef struct group {
    nplug_report list[HAND_SIGNALS];
    size_t count;
    unsigned number;
    nplug_time time; /* the latest of what changed */
} group;

static void say(nplug_openxr *port, group *group, uint16_t signal, int32_t raw, bool moves)
{
    nplug_report *report = &group->list[group->count];

    if (port->devices[group->number].raw[signal] == raw) return;
    port->devices[group->number].raw[signal] = raw;
    *report = report_of(0, group->number, NPLUG_REPORT_VALUE);
    report->signal = signal;
    report->data.value = raw;
    report->flags = (uint8_t)(NPLUG_REPORT_FLAG_MORE | (moves ? NPLUG_REPORT_FLAG_MOVES : 0));
    group->count++;
}

/* No earlier than what the device said before, and no later than now. */
static void push_group(nplug_openxr *port, group *group, nplug_time now)
{
    device *device = &port->devices[group->number];
    nplug_time time = group->time && group->time < now ? group->time : now;

    if (group->count == 0) return;
    if (time < device->last) time = device->last;
    device->last = time;
    for (size_t i = 0; i < group->count; i++)
        group->list[i].time = time;
    group->list[group->count - 1].flags &= (uint8_t)~NPLUG_REPORT_FLAG_MORE;
    nplug_push(port->ring, group->list, group->count);
}

/* A runtime may answer anything: what is no number is 0. */
static int32_t scaled(float value, int32_t full, float most)
{
    if (!(value >= -most)) value = value < 0.0f ? -most : 0.0f;
    if (value > most) value = most;
    return (int32_t)((double)value * (double)full + (value < 0.0f ? -0.5 : 0.5));
}

static int32_t as_pull(float value)
{
    return value > 0.0f ? scaled(value, FULL, 1.0f) : 0;
}

static uint16_t say_inputs(nplug_openxr *port, group *group)
{
    uint16_t signal = 0;

    for (unsigned i = 0; i < OX_INPUTS; i++) {
        XrActionType type = ox_inputs[i].type;
        size_t before = group->count;
        ox_value value;
        if (type == XR_ACTION_TYPE_POSE_INPUT || type == XR_ACTION_TYPE_VIBRATION_OUTPUT) continue;
        value = ox_read(&port->session, group->number, i);
        if (!value.active) value.x = value.y = 0.0f;
        if (type == XR_ACTION_TYPE_BOOLEAN_INPUT)
            say(port, group, signal++, value.x > 0.0f, false);
        else if (type == XR_ACTION_TYPE_FLOAT_INPUT)
            say(port, group, signal++, as_pull(value.x), true);
        else {
            say(port, group, signal++, scaled(value.x, SIDE, 1.0f), true);
            say(port, group, signal++, scaled(value.y, SIDE, 1.0f), true);
        }
        if (group->count > before && value.time > group->time) group->time = value.time;
    }
    return signal;
}

static void say_three(nplug_openxr *port, group *group, uint16_t signal, XrVector3f v)
{
    say(port, group, signal, scaled(v.x, MICRO, 2000.0f), true);
    say(port, group, (uint16_t)(signal + 1), scaled(v.y, MICRO, 2000.0f), true);
    say(port, group, (uint16_t)(signal + 2), scaled(v.z, MICRO, 2000.0f), true);
}

/* What is not valid now stays as it was. */
static void say_pose(nplug_openxr *port, group *group, uint16_t signal, const ox_location *at)
{
    XrQuaternionf q = at->pose.orientation;

    if (at->tracking & XR_SPACE_LOCATION_POSITION_VALID_BIT)
        say_three(port, group, signal, at->pose.position);
    if (at->tracking & XR_SPACE_LOCATION_ORIENTATION_VALID_BIT) {
        say(port, group, (uint16_t)(signal + 3), scaled(q.x, TURN, 1.0f), true);
        say(port, group, (uint16_t)(signal + 4), scaled(q.y, TURN, 1.0f), true);
        say(port, group, (uint16_t)(signal + 5), scaled(q.z, TURN, 1.0f), true);
        say(port, group, (uint16_t)(signal + 6), scaled(q.w, TURN, 1.0f), true);
    }
    say(port, group, (uint16_t)(signal + TRACKING), (int32_t)at->tracking, true);
    say_three(port, group, (uint16_t)(signal + 8), at->velocity);
    say_three(port, group, (uint16_t)(signal + 11), at->turn_rate);
}

static void say_hand(nplug_openxr *port, unsigned hand, nplug_time now)
{
    group inputs = {.number = hand}, poses = {.number = hand};
    uint16_t signal = say_inputs(port, &inputs);

    push_group(port, &inputs, now);
    for (unsigned pose = 0; pose < OX_POSES; pose++, signal += POSE_NUMBERS) {
        ox_location at = ox_locate(&port->session, port->session.poses[hand][pose], now);
        say_pose(port, &poses, signal, &at);
    }
    push_group(port, &poses, now);
}

static void say_head(nplug_openxr *port, nplug_time now)
{
    group poses = {.number = HEAD};
    ox_location at = ox_locate(&port->session, port->session.view, now);

    say_pose(port, &poses, 0, &at);
    push_group(port, &poses, now);
}

/* --- the port --------------------------------------------------------------------------------- */

static void part(nplug_openxr *port, nplug_time now)
{
    for (unsigned d = 0; d < DEVICES; d++)
        set_here(port, now, d, false);
    port->session.facts.state = NPLUG_OPENXR_LOST;
}

static void find_devices(nplug_openxr *port, nplug_time now)
{
    ox_session *session = &port->session;

    set_here(port, now, HEAD, true);
    for (unsigned h = 0; h < OX_HANDS; h++)
        if (session->stale[h]) set_here(port, now, h, ox_is_here(session, h));
}

static void say_all(nplug_openxr *port, nplug_time now)
{
    for (unsigned h = 0; h < OX_HANDS; h++)
        if (port->devices[h].here) say_hand(port, h, now);
    say_head(port, now);
}

static void pump(void *self, nplug_time now)
{
    nplug_openxr *port = (nplug_openxr *)self;
    ox_session *session = &port->session;
    bool focused;

    if (!session->lost) ox_poll(session);
    if (!session->lost && session->running) ox_sync(session);
    if (session->lost) {
        part(port, now);
        return;
    }
    if (!session->running) {
        set_asleep(port, now, true);
        session->facts.state = NPLUG_OPENXR_WAITING;
        return;
    }
    find_devices(port, now);
    focused = session->facts.state == NPLUG_OPENXR_RUNNING;
    if (focused) set_asleep(port, now, false);
    if (focused) say_all(port, now);
    end_arrivals(port, now);
    if (!focused) set_asleep(port, now, true);
    if (session->lost) part(port, now);
}

static nplug_result start(void *self, nplug_ring *ring)
{
    nplug_openxr *port = (nplug_openxr *)self;

    memset(&port->session.facts, 0, sizeof port->session.facts);
    if (!ox_begin(&port->session)) return NPLUG_ERR_FILE;
    port->ring = ring;
    return NPLUG_OK;
}

static void resync(void *self, uint32_t number)
{
    nplug_openxr *port = (nplug_openxr *)self;
    device *device = &port->devices[number < DEVICES ? number : 0];
    unsigned signals = number == HEAD ? POSE_NUMBERS : HAND_SIGNALS;

    if (number >= DEVICES || !device->here) return;
    push_mark(port, 0, number, NPLUG_REPORT_RESYNC_BEGIN, 0);
    for (unsigned i = 0; i < signals; i++) {
        nplug_report report = report_of(0, number, NPLUG_REPORT_VALUE);
        report.signal = (uint16_t)i;
        report.data.value = device->raw[i];
        if (device->raw[i]) nplug_push(port->ring, &report, 1);
    }
    push_mark(port, 0, number, NPLUG_REPORT_RESYNC_END, 0);
}

static void effect(void *self, const nplug_effect *effect)
{
    nplug_openxr *port = (nplug_openxr *)self;
    bool hand = effect->device < OX_HANDS && port->devices[effect->device].here;

    if (!hand || effect->kind != NPLUG_EFFECT_RUMBLE || port->session.lost) return;
    ox_shake(&port->session, effect->device,
             effect->strong > effect->weak ? effect->strong : effect->weak, effect->duration_ms);
}

static void stop(void *self)
{
    nplug_openxr *port = (nplug_openxr *)self;

    ox_end(&port->session);
    memset(port->devices, 0, sizeof port->devices);
    port->session.facts.state = NPLUG_OPENXR_OFF;
    port->ring = NULL;
}

const nplug_port *nplug_openxr_port(void)
{
    static const nplug_port port = {
        (uint32_t)sizeof(nplug_port), 0, "openxr", start, pump, resync, effect, stop, NULL};
    return &port;
}

nplug_result nplug_openxr_attach(nplug_openxr *port, nplug_nest *nest)
{
    return port ? nplug_attach(nest, nplug_openxr_port(), port) : NPLUG_ERR_ARGUMENT;
}

/* --- what the game says and asks -------------------------------------------------------------- */

nplug_result nplug_openxr_hear(nplug_openxr *port, const void *event)
{
    if (!port || !event || !port->ring) return NPLUG_ERR_ARGUMENT;
    ox_hear(&port->session, (const XrEventDataBuffer *)event);
    return NPLUG_OK;
}

nplug_result nplug_openxr_predict(nplug_openxr *port, int64_t time)
{
    if (!port || time < 0) return NPLUG_ERR_ARGUMENT;
    port->session.predicted = time;
    return NPLUG_OK;
}

nplug_result nplug_openxr_info(const nplug_openxr *port, nplug_openxr_facts *facts)
{
    uint32_t size = facts ? facts->size : 0;

    if (!port || !facts) return NPLUG_ERR_ARGUMENT;
    if (size != sizeof *facts) return NPLUG_ERR_SIZE;
    *facts = port->session.facts;
    facts->size = size;
    return NPLUG_OK;
}

const char *nplug_openxr_state_name(uint32_t number)
{
    static const char *const names[] = {"off",        "no runtime", "no headless session",
                                        "no headset", "failed",     "waiting",
                                        "asleep",     "running",    "lost"};
    return number < sizeof names / sizeof *names ? names[number] : "unknown";
}
