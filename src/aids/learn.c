/* Learning by watching: loosen, rest, then one control after the other. */
#include "nestplug/learn.h"
#include "nestplug/nest.h"
#include "core/base/base.h"
#include <string.h>

#define SIGNALS      256u
#define WIRES        112u
#define LOOSE_QUIET  1500000u /* microseconds of quiet that end the loosening */
#define REST_QUIET   700000u  /* that end the rest */
#define LEVER_QUIET  300000u  /* after which a lever stays where it is */
#define DRIFT_QUIET  1000000u /* after which the rest follows */
#define COUNTS_MOVED 12       /* of a delta */

/* Which ways of a signal some control has already. */
enum { USED_LOW = 1, USED_HIGH = 2, USED_BOTH = 3 };

typedef struct watched {
    nplug_signal_facts info; /* as it was when this began */
    int32_t rest, raw, low, high;
    int32_t still; /* where it was when it last moved in earnest */
    uint8_t used;
    bool zero_first; /* it said 0 until it was first moved */
} watched;

struct nplug_learner {
    nplug_device device;
    nplug_device_kind kind;
    nplug_learn_phase phase;
    nplug_time now, quiet_since;
    uint32_t signals, question, questions, moved; /* moved: which signal, of BACK */
    nplug_control taken;
    watched of[SIGNALS];
    uint32_t answer[WIRES]; /* by question: how many wires there were before it */
    nplug_wire wires[WIRES];
    nplug_sheet made; /* with those of `wires` that are whole controls */
    nplug_wire whole[WIRES];
    nplug_rule match;
    nplug_sheet sheet;
    char name[32];
};

/* --- questions ------------------------------------------------------------------------------ */

/* What is asked of a kind: places of controls in a row, and how many questions each has. */
typedef struct asked {
    nplug_device_kind kind;
    uint16_t first, count, components;
} asked;

static const asked list[] = {
    {NPLUG_KIND_PAD, NPLUG_PAD_SOUTH, 12, 1},
    {NPLUG_KIND_PAD, NPLUG_PAD_STICK_LEFT, 2, 2},
    {NPLUG_KIND_PAD, NPLUG_PAD_STICK_LEFT_CLICK, 10, 1},
    {NPLUG_KIND_STICK, NPLUG_STICK_AILERON, 6, 1},
    {NPLUG_KIND_STICK, NPLUG_STICK_THROTTLE, 4, 1},
    {NPLUG_KIND_STICK, NPLUG_STICK_SLIDER, 2, 1},
    {NPLUG_KIND_STICK, NPLUG_STICK_HAT, 2, 2},
    {NPLUG_KIND_STICK, NPLUG_STICK_BUTTON, 32, 1},
    {NPLUG_KIND_WHEEL, NPLUG_WHEEL_STEERING, 7, 1},
    {NPLUG_KIND_WHEEL, NPLUG_WHEEL_HAT, 1, 2},
    {NPLUG_KIND_WHEEL, NPLUG_WHEEL_BUTTON, 32, 1},
    {NPLUG_KIND_MOUSE, NPLUG_MOUSE_LEFT, 5, 1},
    {NPLUG_KIND_MOUSE, NPLUG_MOUSE_FORWARD_2, 3, 1},
    {NPLUG_KIND_MOUSE, NPLUG_MOUSE_MOVE, 2, 2},
};

/* A question's control and component; false past the end. */
static bool question_of(nplug_device_kind kind, uint32_t number, nplug_control *control,
                        uint32_t *component)
{
    for (size_t i = 0; i < sizeof list / sizeof *list; i++) {
        uint32_t here = (uint32_t)list[i].count * list[i].components;
        if (list[i].kind != kind) continue;
        if (number < here) {
            /* A kind's number is its class's. */
            *control = NPLUG_CONTROL(kind, list[i].first + number / list[i].components);
            *component = number % list[i].components;
            return true;
        }
        number -= here;
    }
    return false;
}

static bool is_lever(nplug_control control)
{
    unsigned place = NPLUG_CONTROL_INDEX(control);
    return NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_STICK && place >= NPLUG_STICK_THROTTLE &&
           place < NPLUG_STICK_HAT;
}

/* --- beginning ------------------------------------------------------------------------------ */

size_t nplug_learner_memory_needed(void)
{
    return sizeof(nplug_learner);
}

static bool look_at_signals(nplug_learner *it, const nplug_nest *nest)
{
    for (it->signals = 0; it->signals < SIGNALS; it->signals++) {
        watched *w = &it->of[it->signals];
        w->info.size = (uint32_t)sizeof w->info;
        if (nplug_signal_info(nest, it->device, it->signals, &w->info) != NPLUG_OK) return true;
        w->rest = w->raw = w->low = w->high = w->still = w->info.raw;
    }
    return false;
}

/* The code space of most signals: a learnt sheet is to win over one that names it. */
static uint32_t space_of(const nplug_learner *it)
{
    uint32_t count[NP_SPACES] = {0}, most = 0;

    for (uint32_t i = 0; i < it->signals; i++)
        if ((unsigned)it->of[i].info.space < NP_SPACES) count[it->of[i].info.space]++;
    for (uint32_t i = 1; i < NP_SPACES; i++)
        if (count[i] > count[most]) most = i;
    return most;
}

static void name_sheet(nplug_learner *it, const nplug_device_facts *info)
{
    np_text text = np_text_in(it->name, sizeof it->name);

    np_text_add(&text, "learnt-");
    np_text_add_hex(&text, info->vendor, 4);
    np_text_add(&text, "-");
    np_text_add_hex(&text, info->product, 4);
    it->match.bus = info->bus;
    it->match.vendor = info->vendor;
    it->match.product = info->product;
    it->sheet.size = (uint32_t)sizeof it->sheet;
    it->sheet.name = it->name;
    it->sheet.family = info->family;
    it->sheet.kind = it->kind;
    it->sheet.rule_count = 1;
    it->sheet.rules = &it->match;
    it->sheet.wires = it->wires;
}

nplug_learner *nplug_learner_open(const nplug_nest *nest, nplug_device device,
                                  nplug_device_kind kind, void *block, size_t size)
{
    nplug_learner *it = (nplug_learner *)block;
    NPLUG_SIZED(nplug_device_facts, info);
    NPLUG_SIZED(nplug_rule_facts, rule);
    nplug_control control;
    uint32_t component;

    if (!block || size < sizeof *it || !question_of(kind, 0, &control, &component)) return NULL;
    if (nplug_device_info(nest, device, &info) != NPLUG_OK || !info.present) return NULL;
    memset(it, 0, sizeof *it);
    it->device = device;
    it->kind = kind;
    it->now = it->quiet_since = nplug_nest_time(nest);
    if (!look_at_signals(it, nest)) return NULL;
    while (question_of(kind, it->questions, &control, &component))
        it->questions++;
    name_sheet(it, &info);
    it->match.space = (uint16_t)(space_of(it) + 1u);
    if (nplug_rule_info(nest, device, 0, &rule) == NPLUG_OK)
        it->match.kind = (uint16_t)rule.looks; /* a keyboard and a mouse may share their numbers */
    return it;
}

/* --- watching ------------------------------------------------------------------------------- */

static int64_t apart(int32_t a, int32_t b)
{
    return a > b ? (int64_t)a - b : (int64_t)b - a;
}

/* The node that a wire has to name for a signal; 0 for the chief one. */
static uint8_t node_of(const watched *w)
{
    return (uint8_t)(w->info.chief ? NPLUG_KIND_UNKNOWN : w->info.node_kind);
}

static float width_of(const watched *w)
{
    return w->info.max > w->info.min ? (float)apart(w->info.max, w->info.min) : 1.0f;
}

/* How far a value is from rest: 1 is a whole press, half a range or enough counts. */
static float distance(const watched *w, int32_t raw)
{
    switch (w->info.nature) {
    case NPLUG_NATURE_BUTTON:
    case NPLUG_NATURE_HAT:
        return raw != w->rest ? 1.0f : 0.0f;
    case NPLUG_NATURE_AXIS:
        return 2.0f * (float)apart(raw, w->rest) / width_of(w);
    case NPLUG_NATURE_DELTA:
        return (float)apart(raw, w->rest) / COUNTS_MOVED;
    default:
        return 0.0f;
    }
}

static float furthest(const watched *w)
{
    float low = distance(w, w->low), high = distance(w, w->high);
    return low > high ? low : high;
}

/* Motion sensors are never quiet while somebody holds a pad, and move nothing that is asked for; of
 * a node that looks like nothing a sheet could not say which it means. */
static bool is_passed_over(const nplug_signal_facts *info)
{
    return !info->chief &&
           (info->node_kind == NPLUG_KIND_MOTION || info->node_kind == NPLUG_KIND_UNKNOWN);
}

/* Takes what the device says; what is no noise ends the quiet, however slowly it came. */
static bool watch(nplug_learner *it, const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_signal_facts, info);

    it->now = nplug_nest_time(nest);
    for (uint32_t i = 0; i < it->signals; i++) {
        watched *w = &it->of[i];
        if (nplug_signal_info(nest, it->device, i, &info) != NPLUG_OK) return false;
        if (is_passed_over(&info)) continue;
        if ((float)apart(info.raw, w->still) > 0.03f * width_of(w)) {
            w->still = info.raw;
            it->quiet_since = it->now;
        }
        w->raw = info.raw;
        if (info.raw < w->low) w->low = info.raw;
        if (info.raw > w->high) w->high = info.raw;
    }
    return true;
}

/* From here on, where everything is counts as its rest. */
static void rest_here(nplug_learner *it)
{
    for (uint32_t i = 0; i < it->signals; i++) {
        watched *w = &it->of[i];
        w->rest = w->low = w->high = w->raw;
    }
}

/* Slow drift moves the rest along; what moves in earnest does not. */
static void follow_drift(nplug_learner *it)
{
    if (it->now - it->quiet_since < DRIFT_QUIET) return;
    for (uint32_t i = 0; i < it->signals; i++) {
        watched *w = &it->of[i];
        if (w->info.nature == NPLUG_NATURE_AXIS && distance(w, w->raw) < 0.1f)
            w->rest = w->low = w->high = w->raw;
    }
}

/* Which controls go both ways from their rest. */
static bool has_two_ways(nplug_control control)
{
    unsigned parts, place = NPLUG_CONTROL_INDEX(control);

    nplug_control_nature(control, &parts);
    if (parts == 2) return true;
    if (NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_WHEEL) return place == NPLUG_WHEEL_STEERING;
    return NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_STICK && place <= NPLUG_STICK_RUDDER;
}

/* Whether a signal can move a control at all: a stick needs two ways, a pointer counts. */
static bool can_move(const watched *w, nplug_control control)
{
    bool counts = nplug_control_nature(control, NULL) == NPLUG_NATURE_DELTA;

    if ((w->info.nature == NPLUG_NATURE_DELTA) != counts) return false;
    return w->info.nature != NPLUG_NATURE_BUTTON || !has_two_ways(control);
}

/* Which signal has moved most; one of the control's own nature is preferred. */
static uint32_t most_moved(const nplug_learner *it, nplug_control control)
{
    bool button = nplug_control_nature(control, NULL) == NPLUG_NATURE_BUTTON;
    uint32_t best = it->signals;
    float most = 0.0f;

    for (uint32_t i = 0; i < it->signals; i++) {
        const watched *w = &it->of[i];
        float far = furthest(w);
        if ((w->info.nature == NPLUG_NATURE_BUTTON) == button) far *= 2.0f;
        if (furthest(w) < 0.5f || far <= most || !can_move(w, control)) continue;
        most = far;
        best = i;
    }
    return best;
}

/* --- answers -------------------------------------------------------------------------------- */

/* A round hat rests outside of its eight places. */
static bool is_round(const watched *w)
{
    return (w->rest < w->info.min || w->rest > w->info.max) && apart(w->info.max, w->info.min) == 7;
}

/* Where an axis rests: -1 at its low end, 1 at its high end, 0 between. */
static int end_of(const watched *w)
{
    float at = (float)apart(w->rest, w->info.min) / width_of(w);
    return at < 0.1f ? -1 : at > 0.9f ? 1 : 0;
}

static nplug_reading round_reading(nplug_control control, uint32_t component)
{
    unsigned parts;

    nplug_control_nature(control, &parts);
    if (parts == 2) return component ? NPLUG_READING_ROUND_Y : NPLUG_READING_ROUND_X;
    switch (NPLUG_CONTROL_INDEX(control)) {
    case NPLUG_PAD_DPAD_UP:
        return NPLUG_READING_ROUND_UP;
    case NPLUG_PAD_DPAD_RIGHT:
        return NPLUG_READING_ROUND_RIGHT;
    case NPLUG_PAD_DPAD_DOWN:
        return NPLUG_READING_ROUND_DOWN;
    default:
        return NPLUG_READING_ROUND_LEFT;
    }
}

/* How a signal that went up or down from its rest moves a control. */
static void read_move(nplug_wire *wire, const watched *w, bool up)
{
    bool button = nplug_control_nature(wire->control, NULL) == NPLUG_NATURE_BUTTON;

    if (w->info.nature == NPLUG_NATURE_BUTTON) return;
    if (is_round(w)) {
        wire->reading = (uint8_t)round_reading(wire->control, wire->component);
    } else if (button) {
        wire->reading = up ? NPLUG_READING_WHEN_HIGH : NPLUG_READING_WHEN_LOW;
    } else if (is_lever(wire->control)) {
        wire->reading = up ? NPLUG_READING_FROM_LOW : NPLUG_READING_FROM_HIGH;
        wire->flags |= NPLUG_WIRE_LEVER;
    } else if (has_two_ways(wire->control)) {
        if (!up) wire->flags |= NPLUG_WIRE_REVERSED;
    } else if (end_of(w)) {
        wire->reading = end_of(w) < 0 ? NPLUG_READING_FROM_LOW : NPLUG_READING_FROM_HIGH;
    } else {
        wire->reading = up ? NPLUG_READING_HALF_HIGH : NPLUG_READING_HALF_LOW;
    }
}

/* The middle needs no word; a rest beside it, but for noise, does. */
static void read_rest(nplug_wire *wire, const watched *w)
{
    bool whole = wire->reading == NPLUG_READING_WHOLE || wire->reading == NPLUG_READING_HALF_LOW ||
                 wire->reading == NPLUG_READING_HALF_HIGH;

    if (w->info.nature != NPLUG_NATURE_AXIS) return;
    if (w->zero_first && w->rest != 0) wire->flags |= NPLUG_WIRE_ZERO_FIRST;
    if (!whole || w->rest == np_number_middle(w->info.min, w->info.max)) return;
    wire->flags |= NPLUG_WIRE_HAS_REST;
    wire->rest = w->rest;
}

/* Which ways of the signal a wire takes; a round hat may serve everybody. */
static uint8_t ways_of(const nplug_wire *wire, const watched *w)
{
    if (is_round(w)) return 0;
    switch (wire->reading) {
    case NPLUG_READING_WHEN_LOW:
    case NPLUG_READING_HALF_LOW:
        return USED_LOW;
    case NPLUG_READING_WHEN_HIGH:
    case NPLUG_READING_HALF_HIGH:
        return USED_HIGH;
    default:
        return USED_BOTH;
    }
}

static nplug_control owner_of(const nplug_learner *it, const nplug_wire *wire)
{
    for (uint32_t i = 0; i < it->sheet.wire_count; i++)
        if (it->wires[i].space == wire->space && it->wires[i].code == wire->code &&
            it->wires[i].node == wire->node)
            return it->wires[i].control;
    return 0;
}

/* Whether each number of a wire's control was learnt: half a stick is none. */
static bool is_whole(const nplug_learner *it, nplug_control control)
{
    unsigned components = 1, learnt = 0;

    nplug_control_nature(control, &components);
    for (uint32_t i = 0; i < it->sheet.wire_count; i++)
        if (it->wires[i].control == control) learnt |= 1u << it->wires[i].component;
    return learnt == (1u << components) - 1u;
}

/* What was learnt whole.  The answers stay, since the last one may be taken back. */
static void make_sheet(nplug_learner *it)
{
    it->made = it->sheet;
    it->made.wires = it->whole;
    it->made.wire_count = 0;
    for (uint32_t i = 0; i < it->sheet.wire_count; i++)
        if (is_whole(it, it->wires[i].control)) it->whole[it->made.wire_count++] = it->wires[i];
}

static void next_question(nplug_learner *it)
{
    it->question++;
    rest_here(it);
    it->phase = it->question < it->questions ? NPLUG_LEARN_PHASE_MOVE : NPLUG_LEARN_PHASE_DONE;
    if (it->question < WIRES) it->answer[it->question] = it->sheet.wire_count;
    if (it->phase == NPLUG_LEARN_PHASE_DONE) make_sheet(it);
}

/* What moved becomes a wire, unless it is another control's already. */
static void take_answer(nplug_learner *it)
{
    watched *w = &it->of[it->moved];
    nplug_wire *wire = &it->wires[it->sheet.wire_count];
    uint32_t component = 0;
    bool up = distance(w, w->high) >= distance(w, w->low);

    memset(wire, 0, sizeof *wire);
    question_of(it->kind, it->question, &wire->control, &component);
    wire->component = (uint8_t)component;
    wire->space = (uint8_t)w->info.space;
    wire->code = w->info.code;
    wire->node = node_of(w);
    read_move(wire, w, up);
    read_rest(wire, w);
    it->taken = (w->used & ways_of(wire, w)) ? owner_of(it, wire) : 0;
    if (it->taken || it->sheet.wire_count == WIRES - 1) {
        rest_here(it);
        it->phase = NPLUG_LEARN_PHASE_MOVE;
        return;
    }
    w->used |= ways_of(wire, w);
    it->sheet.wire_count++;
    next_question(it);
}

/* --- phases --------------------------------------------------------------------------------- */

static bool quiet_for(const nplug_learner *it, nplug_time span)
{
    return it->now - it->quiet_since >= span;
}

static bool anything_moved(const nplug_learner *it)
{
    for (uint32_t i = 0; i < it->signals; i++)
        if (it->of[i].info.nature == NPLUG_NATURE_AXIS && furthest(&it->of[i]) >= 0.5f) return true;
    return false;
}

static void begin_rest(nplug_learner *it)
{
    it->phase = NPLUG_LEARN_PHASE_REST;
    it->quiet_since = it->now;
}

/* What was 0 from the first and rests elsewhere now had never been moved. */
static void end_rest(nplug_learner *it)
{
    for (uint32_t i = 0; i < it->signals; i++) {
        watched *w = &it->of[i];
        w->zero_first =
            w->info.heard && w->info.raw == 0 && (float)apart(w->raw, 0) > 0.1f * width_of(w);
    }
    rest_here(it);
    it->phase = NPLUG_LEARN_PHASE_MOVE;
}

static void look_for_move(nplug_learner *it)
{
    nplug_control control = 0;
    uint32_t component;

    question_of(it->kind, it->question, &control, &component);
    it->moved = most_moved(it, control);
    if (it->moved < it->signals)
        it->phase = NPLUG_LEARN_PHASE_BACK;
    else
        follow_drift(it);
}

/* Back at rest; a lever stays, and so does what only counts. */
static void look_for_return(nplug_learner *it)
{
    nplug_control control = 0;
    uint32_t component;
    const watched *w;

    question_of(it->kind, it->question, &control, &component);
    it->moved = most_moved(it, control);
    if (it->moved == it->signals) {
        it->phase = NPLUG_LEARN_PHASE_MOVE;
        return;
    }
    w = &it->of[it->moved];
    if (is_lever(control) || w->info.nature == NPLUG_NATURE_DELTA) {
        if (quiet_for(it, LEVER_QUIET)) take_answer(it);
    } else if (distance(w, w->raw) < 0.2f && quiet_for(it, LEVER_QUIET / 6)) {
        take_answer(it);
    }
}

nplug_learn_phase nplug_learner_step(nplug_learner *it, const nplug_nest *nest)
{
    if (!it || it->phase >= NPLUG_LEARN_PHASE_DONE) return it ? it->phase : NPLUG_LEARN_PHASE_GONE;
    if (!watch(it, nest)) return it->phase = NPLUG_LEARN_PHASE_GONE;
    switch (it->phase) {
    case NPLUG_LEARN_PHASE_LOOSEN:
        if (anything_moved(it) && quiet_for(it, LOOSE_QUIET)) begin_rest(it);
        break;
    case NPLUG_LEARN_PHASE_REST:
        if (quiet_for(it, REST_QUIET)) end_rest(it);
        break;
    case NPLUG_LEARN_PHASE_MOVE:
        look_for_move(it);
        break;
    default:
        look_for_return(it);
        break;
    }
    return it->phase;
}

nplug_result nplug_learner_info(const nplug_learner *it, nplug_learn_question *question)
{
    if (!it || !question) return NPLUG_ERR_ARGUMENT;
    if (question->size != sizeof *question) return NPLUG_ERR_SIZE;
    memset(question, 0, sizeof *question);
    question->size = (uint32_t)sizeof *question;
    question->phase = it->phase;
    question->number = it->question + 1;
    question->of = it->questions;
    question->taken = it->taken;
    if (it->phase == NPLUG_LEARN_PHASE_MOVE || it->phase == NPLUG_LEARN_PHASE_BACK)
        question_of(it->kind, it->question, &question->control, &question->component);
    return NPLUG_OK;
}

void nplug_learner_skip(nplug_learner *it)
{
    if (!it) return;
    it->taken = 0;
    if (it->phase == NPLUG_LEARN_PHASE_LOOSEN)
        begin_rest(it);
    else if (it->phase == NPLUG_LEARN_PHASE_MOVE || it->phase == NPLUG_LEARN_PHASE_BACK)
        next_question(it);
}

/* The wires of the last question go, and what they used is free again. */
static void forget_wires(nplug_learner *it, uint32_t kept)
{
    while (it->sheet.wire_count > kept) {
        const nplug_wire *wire = &it->wires[--it->sheet.wire_count];
        for (uint32_t i = 0; i < it->signals; i++) {
            watched *w = &it->of[i];
            if ((uint32_t)w->info.space == wire->space && w->info.code == wire->code &&
                node_of(w) == wire->node)
                w->used &= (uint8_t)~ways_of(wire, w);
        }
    }
}

void nplug_learner_undo(nplug_learner *it)
{
    if (!it || it->question == 0 || it->phase < NPLUG_LEARN_PHASE_MOVE ||
        it->phase == NPLUG_LEARN_PHASE_GONE)
        return;
    it->question--;
    it->taken = 0;
    forget_wires(it, it->answer[it->question]);
    rest_here(it);
    it->phase = NPLUG_LEARN_PHASE_MOVE;
}

const nplug_sheet *nplug_learner_sheet(const nplug_learner *it)
{
    return it && it->phase == NPLUG_LEARN_PHASE_DONE ? &it->made : NULL;
}
