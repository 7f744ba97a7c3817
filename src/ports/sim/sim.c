/* The sim port: moves wait in order of time; what is due becomes reports in the model's numbers. */
#include "body.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define ALIGNMENT ((size_t)16)

typedef struct sim_device {
    body body; /* whose model is NULL in a free place */
    char name[NPLUG_SIM_NAME_SIZE];
    bool owes_resync;
    uint32_t effect_count;
    nplug_effect effect;
} sim_device;

typedef struct sim_move {
    nplug_time due;   /* when it is next to be looked at */
    nplug_time start; /* of a sweep under way */
    uint32_t kind;
    bool under_way;
    nplug_time span;
    nplug_vec2 from, to;
    nplug_pose pose;
    int32_t value;
    uint32_t code, space;
    char on[NPLUG_SIM_NAME_SIZE], what[NPLUG_SIM_NAME_SIZE];
    char serial[NPLUG_SIM_NAME_SIZE], socket[NPLUG_SIM_NAME_SIZE];
} sim_move;

struct nplug_sim {
    nplug_sim_limits limits;
    nplug_ring *ring;
    sim_device *devices;
    sim_move *moves; /* in order of time, the earliest last */
    uint32_t move_count;
    const nplug_sim_model *models; /* beside those that are compiled in */
    uint32_t model_count;
    uint32_t noise; /* where the row of noise stands */
    nplug_time now;
    uint32_t layout; /* of keyboards */
    uint32_t failures;
    char failure[160];
};

/* --- opening -------------------------------------------------------------------------------- */

static size_t rounded(size_t size)
{
    return (size + ALIGNMENT - 1) & ~(ALIGNMENT - 1);
}

size_t nplug_sim_memory_needed(nplug_sim_limits limits)
{
    if (limits.devices == 0 || limits.moves == 0) return 0;
    return rounded(sizeof(nplug_sim)) + rounded(limits.devices * sizeof(sim_device)) +
           rounded(limits.moves * sizeof(sim_move));
}

nplug_sim *nplug_sim_open(nplug_sim_limits limits, void *block, size_t size)
{
    size_t needed = nplug_sim_memory_needed(limits);
    nplug_sim *sim = (nplug_sim *)block;

    if (!block || needed == 0 || size < needed) return NULL;
    memset(block, 0, needed);
    sim->limits = limits;
    sim->devices = (sim_device *)((char *)block + rounded(sizeof *sim));
    sim->moves = (sim_move *)((char *)sim->devices + rounded(limits.devices * sizeof(sim_device)));
    return sim;
}

static nplug_result start(void *self, nplug_ring *ring)
{
    ((nplug_sim *)self)->ring = ring;
    return NPLUG_OK;
}

/* --- the queue of moves --------------------------------------------------------------------- */

/* Puts a move behind those that are due at the same time. */
static nplug_result queue(nplug_sim *sim, const sim_move *move)
{
    uint32_t at = sim->move_count;

    if (sim->move_count == sim->limits.moves) return NPLUG_ERR_FULL;
    while (at && sim->moves[at - 1].due <= move->due)
        at--;
    memmove(&sim->moves[at + 1], &sim->moves[at], (sim->move_count - at) * sizeof *move);
    sim->moves[at] = *move;
    sim->move_count++;
    return NPLUG_OK;
}

static const nplug_sim_model *find_model(const nplug_sim_model *models, uint32_t count,
                                         const char *name)
{
    for (uint32_t i = 0; i < count; i++)
        if (strcmp(models[i].name, name) == 0) return &models[i];
    return NULL;
}

static const nplug_sim_model *model_of(const nplug_sim *sim, const char *name)
{
    const nplug_sim_model *own = find_model(sim->models, sim->model_count, name);
    uint32_t count;
    const nplug_sim_model *models = nplug_sim_models(&count);

    return own ? own : find_model(models, count, name);
}

nplug_result nplug_sim_add_models(nplug_sim *sim, const nplug_sim_model *models, uint32_t count)
{
    if (!sim || (count && !models)) return NPLUG_ERR_ARGUMENT;
    for (uint32_t i = 0; i < count; i++)
        if (models[i].signal_count > BODY_SIGNALS || models[i].control_count > BODY_CONTROLS)
            return NPLUG_ERR_SIZE;
    sim->models = models;
    sim->model_count = count;
    return NPLUG_OK;
}

/* A keyboard's layouts: which letters stand where the first one has others. */
static const struct {
    const char *name, *from, *to;
} layouts[] = {{"qwerty", "", ""}, {"azerty", "AQZWM", "QAWZ,"}, {"qwertz", "YZ", "ZY"}};
#define LAYOUTS (sizeof layouts / sizeof *layouts)

static uint32_t layout_of(const char *name)
{
    uint32_t i = 0;

    while (i < LAYOUTS && strcmp(layouts[i].name, name) != 0)
        i++;
    return i;
}

static bool copy(char *into, const char *from, bool required)
{
    if (!from) return !required;
    if (strlen(from) >= NPLUG_SIM_NAME_SIZE) return false;
    strcpy(into, from);
    return true;
}

/* "contact-2", "contact-down-2". */
static void name_finger(char name[NPLUG_SIM_NAME_SIZE], const char *what, uint32_t finger)
{
    snprintf(name, NPLUG_SIM_NAME_SIZE, "%s-%u", what, finger);
}

/* A finger is put somewhere, comes down, and goes on: three moves. */
static nplug_result touch(nplug_sim *sim, const nplug_move *move)
{
    char place[NPLUG_SIM_NAME_SIZE], down[NPLUG_SIM_NAME_SIZE];
    nplug_move step = *move;

    if (!move->finger) return NPLUG_ERR_ARGUMENT;
    if (sim->limits.moves - sim->move_count < 3) return NPLUG_ERR_FULL;
    name_finger(place, "contact", move->finger);
    name_finger(down, "contact-down", move->finger);
    step.kind = NPLUG_MOVE_SWEEP;
    step.what = place;
    step.span = 0;
    nplug_sim_move(sim, &step);
    step.kind = NPLUG_MOVE_PRESS;
    step.what = down;
    step.span = move->span;
    nplug_sim_move(sim, &step);
    step.kind = NPLUG_MOVE_SWEEP;
    step.what = place;
    if (move->span) step.x = move->to_x;
    if (move->span) step.y = move->to_y;
    return nplug_sim_move(sim, &step);
}

nplug_result nplug_sim_move(nplug_sim *sim, const nplug_move *move)
{
    sim_move one = {0};
    bool ends, names_what;

    if (!sim || !move || move->kind > NPLUG_MOVE_ASLEEP) return NPLUG_ERR_ARGUMENT;
    if (move->kind == NPLUG_MOVE_TOUCH && (!move->on || strlen(move->on) >= NPLUG_SIM_NAME_SIZE))
        return NPLUG_ERR_ARGUMENT;
    if (move->kind == NPLUG_MOVE_TOUCH) return touch(sim, move);
    ends = move->kind == NPLUG_MOVE_END || move->kind == NPLUG_MOVE_LAYOUT;
    if (move->kind == NPLUG_MOVE_POSE && !move->pose) return NPLUG_ERR_ARGUMENT;
    names_what = move->kind != NPLUG_MOVE_END && move->kind != NPLUG_MOVE_DEPART &&
                 move->kind != NPLUG_MOVE_SIGNAL && move->kind != NPLUG_MOVE_BATTERY &&
                 move->kind != NPLUG_MOVE_ASLEEP;
    one.due = move->time;
    one.kind = move->kind;
    one.span = move->span;
    one.to.x = move->x;
    one.to.y = move->y;
    if (move->pose) one.pose = *move->pose;
    one.value = move->value;
    one.code = move->code;
    one.space = move->space;
    if (!copy(one.on, move->on, !ends) || !copy(one.what, move->what, names_what) ||
        !copy(one.serial, move->serial, false) || !copy(one.socket, move->socket, false))
        return NPLUG_ERR_ARGUMENT;
    if (move->kind == NPLUG_MOVE_ARRIVE && !model_of(sim, move->what)) return NPLUG_ERR_UNKNOWN;
    if (move->kind == NPLUG_MOVE_LAYOUT && layout_of(move->what) == LAYOUTS)
        return NPLUG_ERR_UNKNOWN;
    return queue(sim, &one);
}

static nplug_result simple(nplug_sim *sim, nplug_move_kind kind, nplug_time time,
                           const char *device, const char *what, nplug_time span)
{
    nplug_move move = {0};

    move.kind = (uint32_t)kind;
    move.time = time;
    move.on = device;
    move.what = what;
    move.span = span;
    return nplug_sim_move(sim, &move);
}

nplug_result nplug_sim_plug(nplug_sim *sim, nplug_time time, const char *device, const char *model)
{
    return simple(sim, NPLUG_MOVE_ARRIVE, time, device, model, 0);
}

nplug_result nplug_sim_unplug(nplug_sim *sim, nplug_time time, const char *device)
{
    return simple(sim, NPLUG_MOVE_DEPART, time, device, NULL, 0);
}

nplug_result nplug_sim_press(nplug_sim *sim, nplug_time time, const char *device,
                             const char *control, nplug_time span)
{
    return simple(sim, NPLUG_MOVE_PRESS, time, device, control, span);
}

nplug_result nplug_sim_release(nplug_sim *sim, nplug_time time, const char *device,
                               const char *control)
{
    return simple(sim, NPLUG_MOVE_RELEASE, time, device, control, 0);
}

static nplug_result moved(nplug_sim *sim, nplug_move_kind kind, nplug_time time, const char *device,
                          const char *control, nplug_vec2 to, nplug_time span)
{
    nplug_move move = {0};

    move.kind = (uint32_t)kind;
    move.time = time;
    move.on = device;
    move.what = control;
    move.span = span;
    move.x = to.x;
    move.y = to.y;
    return nplug_sim_move(sim, &move);
}

nplug_result nplug_sim_sweep(nplug_sim *sim, nplug_time time, const char *device,
                             const char *control, nplug_vec2 to, nplug_time span)
{
    return moved(sim, NPLUG_MOVE_SWEEP, time, device, control, to, span);
}

nplug_result nplug_sim_roll(nplug_sim *sim, nplug_time time, const char *device,
                            const char *control, nplug_vec2 by, nplug_time span)
{
    return moved(sim, NPLUG_MOVE_ROLL, time, device, control, by, span);
}

nplug_result nplug_sim_touch(nplug_sim *sim, nplug_time time, const char *device, uint32_t finger,
                             nplug_vec2 from, nplug_vec2 to, nplug_time span)
{
    nplug_move move = {0};

    move.kind = NPLUG_MOVE_TOUCH;
    move.time = time;
    move.on = device;
    move.finger = finger;
    move.span = span;
    move.x = from.x;
    move.y = from.y;
    move.to_x = to.x;
    move.to_y = to.y;
    return nplug_sim_move(sim, &move);
}

nplug_result nplug_sim_drag(nplug_sim *sim, nplug_time time, const char *device, uint32_t finger,
                            nplug_vec2 to, nplug_time span)
{
    char place[NPLUG_SIM_NAME_SIZE];

    name_finger(place, "contact", finger);
    return nplug_sim_sweep(sim, time, device, place, to, span);
}

nplug_result nplug_sim_lift(nplug_sim *sim, nplug_time time, const char *device, uint32_t finger)
{
    char down[NPLUG_SIM_NAME_SIZE];

    name_finger(down, "contact-down", finger);
    return nplug_sim_release(sim, time, device, down);
}

nplug_time nplug_sim_end(const nplug_sim *sim)
{
    nplug_time last = 0;

    for (uint32_t i = 0; sim && i < sim->move_count; i++) {
        const sim_move *move = &sim->moves[i];
        nplug_time end = (move->under_way ? move->start : move->due) + move->span;
        if (end > last) last = end;
    }
    return last;
}

/* --- what cannot be done -------------------------------------------------------------------- */

/* A move that cannot be done is told, and is over. */
static bool fail(nplug_sim *sim, const sim_move *move, const char *why, const char *word)
{
    if (sim->failures++ == 0)
        snprintf(sim->failure, sizeof sim->failure, "at %llu us: %s \"%s\"",
                 (unsigned long long)move->due, why, word);
    return true;
}

uint32_t nplug_sim_failures(const nplug_sim *sim, const char **text)
{
    if (text) *text = sim->failure;
    return sim->failures;
}

/* --- reports -------------------------------------------------------------------------------- */

static sim_device *device_of(const nplug_sim *sim, const char *name)
{
    for (uint32_t i = 0; i < sim->limits.devices; i++)
        if (sim->devices[i].body.model && strcmp(sim->devices[i].name, name) == 0)
            return &sim->devices[i];
    return NULL;
}

static nplug_report report_of(const nplug_sim *sim, const sim_device *device, nplug_time time,
                              nplug_report_kind kind)
{
    nplug_report report = {0};

    report.time = time;
    report.device = (uint32_t)(device - sim->devices);
    report.kind = (uint8_t)kind;
    return report;
}

static nplug_report value_of(const nplug_sim *sim, const sim_device *device, nplug_time time,
                             uint16_t signal, int32_t raw)
{
    nplug_report report = report_of(sim, device, time, NPLUG_REPORT_VALUE);
    uint8_t nature = device->body.model->signals[signal].nature;

    report.signal = signal;
    report.data.value = raw;
    if (nature == NPLUG_NATURE_AXIS || nature == NPLUG_NATURE_DELTA)
        report.flags = NPLUG_REPORT_FLAG_MOVES;
    return report;
}

/* Pushes reports of which each is a group for itself. */
static void push(nplug_sim *sim, const nplug_report *report)
{
    nplug_push(sim->ring, report, 1);
}

static size_t text_slots(const char *text)
{
    return (strlen(text) + 15) / 16;
}

static void push_arrival(nplug_sim *sim, const sim_device *device, const sim_move *move)
{
    const nplug_sim_model *model = device->body.model;
    nplug_report report = report_of(sim, device, move->due, NPLUG_REPORT_ARRIVE);

    report.data.arrive.bus = model->bus;
    report.data.arrive.vendor = model->vendor;
    report.data.arrive.product = model->product;
    report.data.arrive.version = model->version;
    report.data.arrive.signals = model->signal_count;
    report.signal = (uint16_t)((model->rumbles ? NPLUG_ABILITY_RUMBLE : 0) |
                               (model->lights ? NPLUG_ABILITY_LIGHTS : 0));
    push(sim, &report);
    nplug_push_text(sim->ring, report.time, report.device, NPLUG_TEXT_NAME, model->device);
    nplug_push_text(sim->ring, report.time, report.device, NPLUG_TEXT_SERIAL, move->serial);
    nplug_push_text(sim->ring, report.time, report.device, NPLUG_TEXT_SOCKET, move->socket);
    for (uint16_t i = 0; i < model->signal_count; i++) {
        report = report_of(sim, device, move->due, NPLUG_REPORT_SIGNAL);
        report.signal = i;
        report.data.signal.code = model->signals[i].code;
        report.data.signal.min = model->signals[i].min;
        report.data.signal.max = model->signals[i].max;
        report.data.signal.space = model->signals[i].space;
        report.data.signal.nature = model->signals[i].nature;
        push(sim, &report);
    }
    report = report_of(sim, device, move->due, NPLUG_REPORT_READY);
    push(sim, &report);
    for (uint16_t i = 0; i < model->signal_count; i++) {
        if (!model->signals[i].zero_first) continue;
        report = value_of(sim, device, move->due, i, 0);
        push(sim, &report);
    }
}

/* --- moves, each true when it is done and false where it must wait for room ------------------- */

static bool arrive(nplug_sim *sim, const sim_move *move)
{
    const nplug_sim_model *model = model_of(sim, move->what);
    sim_device *device = NULL;
    size_t needed = 3u + 2u * model->signal_count + text_slots(model->device) +
                    text_slots(move->serial) + text_slots(move->socket);

    if (device_of(sim, move->on)) return fail(sim, move, "there is already a device", move->on);
    for (uint32_t i = 0; !device && i < sim->limits.devices; i++)
        if (!sim->devices[i].body.model) device = &sim->devices[i];
    if (!device) return fail(sim, move, "there is no room for", move->on);
    if (nplug_ring_room(sim->ring) < needed) return false;
    memset(device, 0, sizeof *device);
    body_begin(&device->body, model);
    strcpy(device->name, move->on);
    push_arrival(sim, device, move);
    return true;
}

static bool depart(nplug_sim *sim, sim_device *device, const sim_move *move)
{
    nplug_report report = report_of(sim, device, move->due, NPLUG_REPORT_DEPART);

    if (nplug_push(sim->ring, &report, 1) == NPLUG_ERR_FULL) return false;
    device->body.model = NULL;
    return true;
}

static bool is_contact(const sim_device *device, const body_parts *parts)
{
    return !parts->key &&
           device->body.model->signals[parts->signal[0]].nature == NPLUG_NATURE_CONTACT;
}

/* Says what a body's control moved, as one group; false where it must wait for room. */
static bool say_parts(nplug_sim *sim, sim_device *device, const body_parts *parts, nplug_time time)
{
    nplug_report group[BODY_PARTS] = {{0}};

    if (nplug_ring_room(sim->ring) == 0) return false;

    for (unsigned i = 0; i < parts->count; i++) {
        uint16_t signal = parts->signal[i];
        group[i] = value_of(sim, device, time, signal, body_raw(&device->body, signal));
        if (i + 1 < parts->count) group[i].flags |= NPLUG_REPORT_FLAG_MORE;
    }
    if (is_contact(device, parts) &&
        !body_contact(&device->body, parts->row[0], &group[0].data.value))
        return true;
    if (nplug_push(sim->ring, group, parts->count) == NPLUG_ERR_FULL) return false;
    for (unsigned i = 0; i < parts->count; i++)
        device->body.raw[parts->signal[i]] = group[i].data.value;
    return true;
}

/* A contact that bounces says the contrary, and again what it said, within its time. */
static void chatter(nplug_sim *sim, sim_device *device, const body_parts *parts,
                    const sim_move *move)
{
    const nplug_sim_signal *signal = &device->body.model->signals[parts->signal[0]];
    sim_move again = *move;

    again.kind = NPLUG_MOVE_SIGNAL;
    again.space = NPLUG_SPACE_PLAIN;
    again.code = parts->signal[0];
    for (uint32_t i = 1; parts->bounce && i <= 2; i++) {
        bool same = i == 2;
        again.due = move->due + parts->bounce * i / 3;
        again.value =
            (device->body.raw[parts->signal[0]] == signal->max) == same ? signal->max : signal->min;
        queue(sim, &again);
    }
}

/* Brings a control to a place; false where it must wait for room, and is where it was. */
static bool place(nplug_sim *sim, sim_device *device, const body_parts *parts, nplug_vec2 to,
                  nplug_time time)
{
    nplug_vec2 was = body_position(&device->body, parts);

    body_put(&device->body, parts, to);
    if (say_parts(sim, device, parts, time)) return true;
    body_put(&device->body, parts, was);
    return false;
}

static bool press(nplug_sim *sim, sim_device *device, const sim_move *move)
{
    body_parts parts = body_find(device->body.model, move->what);
    bool down = move->kind == NPLUG_MOVE_PRESS;
    nplug_vec2 to = {down ? 1.0f : 0.0f, 0.0f};
    sim_move release = *move;

    if (parts.count == 0) return fail(sim, move, "this model has no control", move->what);
    if (parts.components > 1) return fail(sim, move, "a stick is swept, not pressed:", move->what);
    if (!place(sim, device, &parts, to, move->due)) return false;
    chatter(sim, device, &parts, move);
    if (!down || move->span == 0) return true;
    release.kind = NPLUG_MOVE_RELEASE;
    release.due = move->due + move->span;
    release.span = 0;
    if (queue(sim, &release) != NPLUG_OK) fail(sim, move, "no room for the release of", move->what);
    return true;
}

/* Whether a press or a sweep of this control makes sense; NULL, or why not. */
static const char *wrong_control(const nplug_sim_model *model, const nplug_move *move)
{
    body_parts parts = body_find(model, move->what);
    bool presses = move->kind == NPLUG_MOVE_PRESS || move->kind == NPLUG_MOVE_RELEASE;

    if (parts.count == 0) return "this model has no such control";
    if (parts.components > 1 && presses) return "a stick is swept, not pressed";
    if (body_is_endless(model, &parts) != (move->kind == NPLUG_MOVE_ROLL))
        return "what moves without ends is rolled, and nothing else is";
    if (parts.components != 2 && move->kind == NPLUG_MOVE_CIRCLE)
        return "only what has two numbers can be moved in a circle";
    if ((parts.components == 7) != (move->kind == NPLUG_MOVE_POSE)) return "only a pose has a pose";
    return NULL;
}

/* The model of a move's device at that time, NULL where it is not there. */
static const nplug_sim_model *model_at(const nplug_sim *sim, const nplug_move *moves, size_t at)
{
    for (size_t i = at; i-- > 0;) {
        if (moves[i].kind != NPLUG_MOVE_ARRIVE && moves[i].kind != NPLUG_MOVE_DEPART) continue;
        if (strcmp(moves[i].on, moves[at].on) != 0) continue;
        return moves[i].kind == NPLUG_MOVE_ARRIVE ? model_of(sim, moves[i].what) : NULL;
    }
    return NULL;
}

static const char *wrong_arrival(const nplug_sim *sim, const nplug_move *moves, size_t at,
                                 const char **member)
{
    *member = "arrive";
    if (strlen(moves[at].on) >= NPLUG_SIM_NAME_SIZE) return "a name may have at most 31 bytes";
    if (model_at(sim, moves, at)) return "there is a device of this name already";
    *member = "model";
    return model_of(sim, moves[at].what) ? NULL : "there is no such simulated model";
}

static const char *wrong_move(const nplug_sim *sim, const nplug_move *moves, size_t at,
                              const char **member)
{
    static const char *const words[] = {"arrive",  "depart", "press", "release", "sweep", "signal",
                                        "end",     "circle", "flick", "noise",   "pose",  "layout",
                                        "battery", "roll",   "touch", "asleep"};
    const nplug_move *move = &moves[at];
    const nplug_sim_model *model;

    if (move->kind == NPLUG_MOVE_END) return NULL;
    *member = words[move->kind];
    if (move->kind == NPLUG_MOVE_LAYOUT)
        return layout_of(move->what) == LAYOUTS ? "there is no such layout: qwerty, azerty and "
                                                  "qwertz are"
                                                : NULL;
    if (move->kind == NPLUG_MOVE_ARRIVE) return wrong_arrival(sim, moves, at, member);
    *member = move->kind == NPLUG_MOVE_DEPART ? "depart" : "on";
    model = model_at(sim, moves, at);
    if (!model) return "there is no device of this name at that time";
    if (move->kind == NPLUG_MOVE_DEPART || move->kind == NPLUG_MOVE_SIGNAL ||
        move->kind == NPLUG_MOVE_BATTERY || move->kind == NPLUG_MOVE_ASLEEP)
        return NULL;
    *member = words[move->kind];
    if (move->kind == NPLUG_MOVE_TOUCH) {
        char place[NPLUG_SIM_NAME_SIZE];
        *member = "finger";
        name_finger(place, "contact", move->finger);
        return body_find(model, place).count ? NULL : "this model has no such finger";
    }
    return wrong_control(model, move);
}

bool nplug_sim_check(const nplug_sim *sim, const nplug_move *moves, size_t count, size_t *at,
                     const char **member, const char **why)
{
    for (; *at < count; ++*at)
        if ((*why = wrong_move(sim, moves, *at, member)) != NULL) return true;
    return false;
}

/* Noise between -1 and 1, the same on every machine. */
static float next_noise(nplug_sim *sim)
{
    sim->noise = sim->noise * 1664525u + 1013904223u;
    return (float)(int32_t)(sim->noise >> 8) / 8388608.0f - 1.0f;
}

static nplug_vec2 between(nplug_vec2 from, nplug_vec2 to, float part)
{
    nplug_vec2 at = {from.x + (to.x - from.x) * part, from.y + (to.y - from.y) * part};
    return at;
}

/* Where a movement is after `part` of its span (0 to 1). */
static nplug_vec2 path(nplug_sim *sim, const sim_move *move, bool stop, float part)
{
    static const nplug_vec2 rest = {0.0f, 0.0f};
    nplug_vec2 at = move->from;

    switch (move->kind) {
    case NPLUG_MOVE_CIRCLE:
        return body_circle(move->to.x, move->to.y * part);
    case NPLUG_MOVE_FLICK:
        return part < 0.5f ? between(move->from, move->to, 2.0f * part)
                           : between(move->to, rest, 2.0f * part - 1.0f);
    case NPLUG_MOVE_NOISE:
        if (part >= 1.0f) return at;
        at.x += move->to.x * next_noise(sim);
        at.y += move->to.x * next_noise(sim);
        if (stop && at.x < 0.0f) at.x = 0.0f;
        return at;
    default:
        return part < 1.0f ? between(move->from, move->to, part) : move->to;
    }
}

/* A movement goes on when its device reports again. */
static void wait_turn(nplug_sim *sim, const sim_device *device, sim_move *rest)
{
    rest->due += device->body.model->interval;
    if (rest->due > rest->start + rest->span) rest->due = rest->start + rest->span;
    if (queue(sim, rest) != NPLUG_OK) fail(sim, rest, "no room for the movement of", rest->what);
}

/* One report of a movement; the rest of it waits its turn. */
static bool travel(nplug_sim *sim, sim_device *device, const sim_move *move)
{
    body_parts parts = body_find(device->body.model, move->what);
    sim_move rest = *move;
    nplug_time gone;

    if (parts.count == 0) return fail(sim, move, "this model has no control", move->what);
    if (body_is_endless(device->body.model, &parts))
        return fail(sim, move, "what moves without ends is rolled, not swept:", move->what);
    if (!move->under_way) {
        rest.under_way = true;
        rest.start = move->due;
        rest.from = body_position(&device->body, &parts);
    }
    gone = rest.due - rest.start;
    if (!place(sim, device, &parts,
               path(sim, &rest, body_has_stop(device->body.model, &parts),
                    gone < rest.span ? (float)gone / (float)rest.span : 1.0f),
               move->due))
        return false;
    if (gone < rest.span) wait_turn(sim, device, &rest);
    return true;
}

/* What moves without ends has counts to go: says as many as are due by now, in whole counts.  What
 * was said stands in `from`. */
static bool say_counts(nplug_sim *sim, const sim_device *device, const body_parts *parts,
                       sim_move *move, float part)
{
    nplug_report group[BODY_PARTS];
    float said[2] = {move->from.x, move->from.y}, to[2] = {move->to.x, move->to.y};
    size_t count = 0;

    for (unsigned i = 0; i < parts->count; i++) {
        const nplug_sim_control *row = &device->body.model->controls[parts->row[i]];
        int32_t counts = (int32_t)(to[row->component] * part - said[row->component]);
        if (counts == 0) continue;
        said[row->component] += (float)counts;
        if (count) group[count - 1].flags |= NPLUG_REPORT_FLAG_MORE;
        group[count++] = value_of(sim, device, move->due, parts->signal[i], row->high * counts);
    }
    if (count && nplug_push(sim->ring, group, count) == NPLUG_ERR_FULL) return false;
    move->from.x = said[0];
    move->from.y = said[1];
    return true;
}

static bool roll(nplug_sim *sim, const sim_device *device, const sim_move *move)
{
    body_parts parts = body_find(device->body.model, move->what);
    sim_move rest = *move;
    nplug_time gone;

    if (!body_is_endless(device->body.model, &parts))
        return fail(sim, move, "nothing here moves without ends as", move->what);
    if (!move->under_way) rest.start = move->due;
    rest.under_way = true;
    gone = rest.due - rest.start;
    if (!say_counts(sim, device, &parts, &rest,
                    gone < rest.span ? (float)gone / (float)rest.span : 1.0f))
        return false;
    if (gone < rest.span) wait_turn(sim, device, &rest);
    return true;
}

static bool pose(nplug_sim *sim, sim_device *device, const sim_move *move)
{
    body_parts parts = body_find(device->body.model, move->what);

    if (parts.count != 7) return fail(sim, move, "this model has no pose", move->what);
    body_pose(&device->body, &parts, &move->pose);
    return say_parts(sim, device, &parts, move->due);
}

/* A raw signal, as it is; an index that was never declared is reported all the same. */
static bool say(nplug_sim *sim, sim_device *device, const sim_move *move)
{
    const nplug_sim_model *model = device->body.model;
    uint16_t signal = (uint16_t)move->code;
    nplug_report report;

    for (uint16_t i = 0; move->space != NPLUG_SPACE_PLAIN && i <= model->signal_count; i++) {
        if (i == model->signal_count) return fail(sim, move, "no such signal on", device->name);
        signal = i;
        if (model->signals[i].space == move->space && model->signals[i].code == move->code) break;
    }
    if (signal >= model->signal_count) {
        report = report_of(sim, device, move->due, NPLUG_REPORT_VALUE);
        report.signal = signal;
        report.data.value = move->value;
        return nplug_push(sim->ring, &report, 1) != NPLUG_ERR_FULL;
    }
    report = value_of(sim, device, move->due, signal, move->value);
    if (nplug_push(sim->ring, &report, 1) == NPLUG_ERR_FULL) return false;
    if (model->signals[signal].nature != NPLUG_NATURE_DELTA) device->body.raw[signal] = move->value;
    return true;
}

static bool change_layout(nplug_sim *sim, const sim_move *move)
{
    nplug_report report = {0};

    report.time = move->due;
    report.kind = NPLUG_REPORT_LAYOUT;
    if (nplug_push(sim->ring, &report, 1) == NPLUG_ERR_FULL) return false;
    sim->layout = layout_of(move->what);
    return true;
}

static bool say_battery(nplug_sim *sim, const sim_device *device, const sim_move *move)
{
    nplug_report report = report_of(sim, device, move->due, NPLUG_REPORT_BATTERY);

    report.data.value = (int32_t)(move->to.x * 100.0f + 0.5f);
    return nplug_push(sim->ring, &report, 1) != NPLUG_ERR_FULL;
}

static bool say_awake(nplug_sim *sim, const sim_device *device, const sim_move *move)
{
    nplug_report report = report_of(sim, device, move->due, NPLUG_REPORT_AWAKE);

    report.data.value = move->to.x == 0.0f;
    return nplug_push(sim->ring, &report, 1) != NPLUG_ERR_FULL;
}

static bool do_move(nplug_sim *sim, const sim_move *move)
{
    sim_device *device;

    if (move->kind == NPLUG_MOVE_END) return true;
    if (move->kind == NPLUG_MOVE_ARRIVE) return arrive(sim, move);
    if (move->kind == NPLUG_MOVE_LAYOUT) return change_layout(sim, move);
    device = device_of(sim, move->on);
    /* A hand that still holds a pad which was unplugged lets go of it unheard. */
    if (!device && (move->under_way || move->kind == NPLUG_MOVE_RELEASE)) return true;
    if (!device) return fail(sim, move, "there is no device", move->on);
    switch (move->kind) {
    case NPLUG_MOVE_DEPART:
        return depart(sim, device, move);
    case NPLUG_MOVE_SWEEP:
    case NPLUG_MOVE_CIRCLE:
    case NPLUG_MOVE_FLICK:
    case NPLUG_MOVE_NOISE:
        return travel(sim, device, move);
    case NPLUG_MOVE_ROLL:
        return roll(sim, device, move);
    case NPLUG_MOVE_POSE:
        return pose(sim, device, move);
    case NPLUG_MOVE_BATTERY:
        return say_battery(sim, device, move);
    case NPLUG_MOVE_ASLEEP:
        return say_awake(sim, device, move);
    case NPLUG_MOVE_SIGNAL:
        return say(sim, device, move);
    default:
        return press(sim, device, move);
    }
}

static void push_state(nplug_sim *sim, sim_device *device)
{
    nplug_report mark = report_of(sim, device, sim->now, NPLUG_REPORT_RESYNC_BEGIN);

    device->owes_resync = nplug_ring_room(sim->ring) < device->body.model->signal_count + 2u;
    if (device->owes_resync) return;
    push(sim, &mark);
    for (uint16_t i = 0; i < device->body.model->signal_count; i++) {
        nplug_report value = value_of(sim, device, sim->now, i, device->body.raw[i]);
        value.flags = 0;
        if (device->body.raw[i] != device->body.model->signals[i].rest) push(sim, &value);
    }
    mark.kind = NPLUG_REPORT_RESYNC_END;
    push(sim, &mark);
}

static void pump(void *self, nplug_time now)
{
    nplug_sim *sim = (nplug_sim *)self;

    sim->now = now;
    for (uint32_t i = 0; i < sim->limits.devices; i++)
        if (sim->devices[i].body.model && sim->devices[i].owes_resync)
            push_state(sim, &sim->devices[i]);
    while (sim->move_count && sim->moves[sim->move_count - 1].due <= now) {
        sim_move move = sim->moves[--sim->move_count];
        if (do_move(sim, &move)) continue;
        sim->moves[sim->move_count++] = move;
        return;
    }
}

static void resync(void *self, uint32_t number)
{
    nplug_sim *sim = (nplug_sim *)self;

    if (number < sim->limits.devices && sim->devices[number].body.model)
        push_state(sim, &sim->devices[number]);
}

nplug_result nplug_sim_layout(nplug_sim *sim, nplug_time time, const char *layout)
{
    return simple(sim, NPLUG_MOVE_LAYOUT, time, NULL, layout, 0);
}

nplug_vec2 nplug_sim_position(const nplug_sim *sim, const char *name, const char *control)
{
    const sim_device *device = sim && name && control ? device_of(sim, name) : NULL;
    nplug_vec2 none = {0.0f, 0.0f};
    body_parts parts;

    if (!device) return none;
    parts = body_find(device->body.model, control);
    return body_position(&device->body, &parts);
}

/* --- effects and labels --------------------------------------------------------------------- */

static void play_effect(void *self, const nplug_effect *effect)
{
    nplug_sim *sim = (nplug_sim *)self;

    if (effect->device >= sim->limits.devices) return;
    sim->devices[effect->device].effect = *effect;
    sim->devices[effect->device].effect_count++;
}

uint32_t nplug_sim_effects(const nplug_sim *sim, const char *name, nplug_effect *last)
{
    const sim_device *device = device_of(sim, name);

    memset(last, 0, sizeof *last);
    if (!device) return 0;
    *last = device->effect;
    return device->effect_count;
}

/* Letters and digits as they are named, but for what the layout has elsewhere. */
static size_t key_label(void *self, uint16_t usage, char *buffer, size_t size)
{
    const nplug_sim *sim = (const nplug_sim *)self;
    char name[32], label[2] = {0, 0};
    size_t length = nplug_control_name(NPLUG_CONTROL(NPLUG_CLASS_KEY, usage), name, sizeof name);
    const char *moved;

    if (length == strlen("key:KeyA") && strncmp(name, "key:Key", 7) == 0) label[0] = name[7];
    if (length == strlen("key:Digit0") && strncmp(name, "key:Digit", 9) == 0) label[0] = name[9];
    moved = label[0] ? strchr(layouts[sim->layout].from, label[0]) : NULL;
    if (moved && *moved) label[0] = layouts[sim->layout].to[moved - layouts[sim->layout].from];
    if (!label[0] || size < 2) return 0;
    memcpy(buffer, label, 2);
    return 1;
}

static void stop(void *self)
{
    ((nplug_sim *)self)->ring = NULL;
}

static void stop_and_free(void *self)
{
    free(self);
}

const nplug_port *nplug_sim_port(void)
{
    static const nplug_port port = {
        (uint32_t)sizeof(nplug_port), 0, "sim", start, pump, resync, play_effect, stop, key_label};
    return &port;
}

nplug_result nplug_sim_attach(nplug_sim *sim, nplug_nest *nest)
{
    return sim ? nplug_attach(nest, nplug_sim_port(), sim) : NPLUG_ERR_ARGUMENT;
}

nplug_sim *nplug_sim_start(nplug_nest *nest)
{
    nplug_port port = *nplug_sim_port();
    nplug_sim_limits limits = {16, 256};
    size_t size = nplug_sim_memory_needed(limits);
    nplug_sim *sim = nplug_sim_open(limits, malloc(size), size);

    port.stop = stop_and_free;
    if (sim && nplug_attach(nest, &port, sim) == NPLUG_OK) return sim;
    free(sim);
    return NULL;
}
