/* Rumble: a plain model of what device.h says, played at random, against what motors feel; and what
 * is impossible. */
#include "support.h"
#include <math.h>
#include <stdlib.h>
#include <string.h>

#define PADS 4
#define ROWS 16 /* that play and wait together */

/* --- motors ------------------------------------------------------------------------------------
 */

/* What hardware feels: the last that it was told, until that ends. */
typedef struct motor {
    float strong, weak;
    nplug_time until;
} motor;

typedef struct motors {
    nplug_ring *ring;
    const nplug_nest *nest;
    motor of[PADS];
    uint32_t lights[PADS], told;
} motors;

static nplug_result start(void *self, nplug_ring *ring)
{
    ((motors *)self)->ring = ring;
    return NPLUG_OK;
}

static void feel(void *self, const nplug_effect *effect)
{
    motors *m = (motors *)self;

    ck_assert_uint_lt(effect->device, PADS);
    m->told++;
    if (effect->kind == NPLUG_EFFECT_LIGHTS) {
        m->lights[effect->device] = effect->player;
        return;
    }
    m->of[effect->device] =
        (motor){effect->strong, effect->weak, nplug_nest_time(m->nest) + effect->duration_ms * MS};
}

static const nplug_port motor_table = {
    .size = sizeof(nplug_port), .name = "motors", .start = start, .effect = feel};

/* --- the model ---------------------------------------------------------------------------------
 */

typedef struct row {
    float strong, weak;
    uint32_t ms;
} row;

typedef struct pad {
    bool here, asleep;
    row rows[ROWS];
    uint32_t count;
    nplug_time end; /* of the first one */
} pad;

typedef struct play {
    test_rig rig;
    motors motors;
    pad pads[PADS];
    bool paused, unfocused;
    nplug_time now;
    uint32_t left_out, limits;
} play;

static uint32_t all_rows(const play *p)
{
    uint32_t count = 0;

    for (int i = 0; i < PADS; i++)
        count += p->pads[i].count;
    return count;
}

/* Time passes: each row ends when it is over, and the next one begins at that moment. */
static void pass(play *p, nplug_time to)
{
    for (int i = 0; i < PADS; i++) {
        pad *d = &p->pads[i];
        while (d->count && d->end <= to) {
            memmove(d->rows, d->rows + 1, --d->count * sizeof *d->rows);
            if (d->count) d->end += d->rows[0].ms * MS;
        }
    }
    p->now = to;
}

static void quiet(play *p)
{
    for (int i = 0; i < PADS; i++)
        if (p->paused || p->unfocused || p->pads[i].asleep || !p->pads[i].here)
            p->pads[i].count = 0;
}

static void ask(play *p, int i, row r, bool after)
{
    pad *d = &p->pads[i];

    if (!after) d->count = 0;
    if (p->paused || p->unfocused || d->asleep) return;
    if (!after && r.strong == 0.0f && r.weak == 0.0f) return;
    if (all_rows(p) == ROWS) {
        p->left_out++;
        return;
    }
    d->rows[d->count++] = r;
    if (d->count == 1) d->end = p->now + r.ms * MS;
}

/* --- both together -----------------------------------------------------------------------------
 */

static nplug_device device_of(const play *p, int i)
{
    for (uint32_t k = 0; k < nplug_device_count(p->rig.nest); k++) {
        NPLUG_SIZED(nplug_device_facts, info);
        nplug_device_info(p->rig.nest, nplug_device_at(p->rig.nest, k), &info);
        if (info.name[strlen(info.name) - 1] == 'A' + i) return info.device;
    }
    return 0;
}

static void say(play *p, int i, nplug_report_kind kind, int32_t value)
{
    nplug_report report = {0};

    report.time = p->now;
    report.device = (uint32_t)i;
    report.kind = (uint8_t)kind;
    report.data.value = value;
    nplug_push(p->motors.ring, &report, 1);
}

static void plug(play *p, int i)
{
    const char name[] = {'P', (char)('A' + i), 0};
    nplug_report report = {0};

    report.time = p->now;
    report.device = (uint32_t)i;
    report.kind = NPLUG_REPORT_ARRIVE;
    report.signal = i % 2 ? NPLUG_ABILITY_RUMBLE : NPLUG_ABILITY_LIGHTS;
    nplug_push(p->motors.ring, &report, 1);
    nplug_push_text(p->motors.ring, p->now, (uint32_t)i, NPLUG_TEXT_NAME, name);
    nplug_push_text(p->motors.ring, p->now, (uint32_t)i, NPLUG_TEXT_SERIAL, name);
    say(p, i, NPLUG_REPORT_READY, 0);
}

static void step(play *p, nplug_time to)
{
    pass(p, to);
    rig_step(&p->rig, to);
    for (uint32_t e = 0; e < nplug_event_count(p->rig.nest); e++) {
        const nplug_event *event = nplug_event_at(p->rig.nest, e);
        p->limits += event->kind == NPLUG_EVENT_LIMIT && event->limit == NPLUG_LIMIT_EFFECTS;
    }
}

static void open_play(play *p)
{
    nplug_game game = harbour_for(1);

    memset(p, 0, sizeof *p);
    rig_open(&p->rig, &game, NULL);
    p->motors.nest = p->rig.nest;
    ck_assert_int_eq(nplug_attach(p->rig.nest, &motor_table, &p->motors), NPLUG_OK);
    for (int i = 0; i < PADS; i++) {
        plug(p, i);
        p->pads[i].here = true;
    }
    step(p, MS);
    ck_assert_uint_eq(nplug_device_count(p->rig.nest), PADS);
}

static row some_row(void)
{
    row r = {(float)(rand() % 5) / 4.0f, (float)(rand() % 5) / 4.0f, 1 + (uint32_t)rand() % 90};
    return r;
}

static void rumble(play *p, int i)
{
    bool after = rand() % 3 != 0;
    nplug_device device = device_of(p, i);
    row r = some_row();

    ck_assert_int_eq(
        (after ? nplug_rumble_after : nplug_rumble)(p->rig.nest, device, r.strong, r.weak, r.ms),
        NPLUG_OK);
    step(p, p->now);
    ask(p, i, r, after);
}

/* Something that ends rumbles, or lets them begin again. */
static void change(play *p, int i)
{
    pad *d = &p->pads[i];

    switch (rand() % 4) {
    case 0:
        d->here = !d->here;
        d->asleep = false;
        if (d->here)
            plug(p, i);
        else
            say(p, i, NPLUG_REPORT_DEPART, 0);
        break;
    case 1:
        d->asleep = !d->asleep && d->here;
        say(p, i, NPLUG_REPORT_AWAKE, !d->asleep);
        break;
    case 2:
        p->unfocused = !p->unfocused;
        say(p, i, NPLUG_REPORT_FOCUS, !p->unfocused);
        break;
    default:
        p->paused = !p->paused;
        nplug_pause_rumble(p->rig.nest, p->paused);
        break;
    }
    step(p, p->now);
    quiet(p);
}

static void compare(const play *p)
{
    for (int i = 0; i < PADS; i++) {
        const pad *d = &p->pads[i];
        const motor *m = &p->motors.of[i];
        bool plays = d->count && d->here, felt = p->now < m->until;
        float strong = plays ? d->rows[0].strong : 0.0f, weak = plays ? d->rows[0].weak : 0.0f;
        if (!d->here) continue;
        ck_assert_float_eq_tol(felt ? m->strong : 0.0f, strong, 1e-4f);
        ck_assert_float_eq_tol(felt ? m->weak : 0.0f, weak, 1e-4f);
        if (plays && (strong > 0.0f || weak > 0.0f)) ck_assert_uint_eq(m->until, d->end);
    }
    ck_assert(p->left_out == 0 || p->limits > 0);
}

/* Whatever is asked for, and whatever happens to pads: motors feel what the header says. */
TESTS(motors_feel_what_the_header_says, 40)
{
    play *p = malloc(sizeof *p);

    srand((unsigned)_i + 1);
    open_play(p);
    for (int n = 0; n < 600; n++) {
        int i = rand() % PADS;
        step(p, p->now + (nplug_time)(rand() % (rand() % 8 ? 15 : 200)) * MS);
        compare(p);
        if (rand() % (p->paused || p->unfocused ? 3 : 25) == 0)
            change(p, i);
        else if (p->pads[i].here)
            rumble(p, i);
        compare(p);
    }
    ck_assert_uint_gt(p->motors.told, 50);
    rig_close(&p->rig);
    free(p);
}

/* --- what is impossible -------------------------------------------------------------------------
 */

TESTS(an_impossible_rumble_is_refused_and_changes_nothing, 8)
{
    static const struct {
        float strong, weak;
        uint32_t ms;
    } rows[] = {{-0.1f, 0.0f, 10},  {0.0f, -1.0f, 10},    {NAN, 0.5f, 10},
                {0.5f, NAN, 10},    {0.5f, 0.5f, 0},      {0.5f, 0.5f, NPLUG_RUMBLE_MS_MAX + 1},
                {1, 1, UINT32_MAX}, {0.0f, -INFINITY, 10}};
    play *p = malloc(sizeof *p);
    nplug_device device;

    open_play(p);
    device = device_of(p, 1);
    nplug_rumble(p->rig.nest, device, 0.5f, 0.25f, NPLUG_RUMBLE_MS_MAX);
    step(p, p->now + MS);
    ck_assert_int_eq(nplug_rumble(p->rig.nest, device, rows[_i].strong, rows[_i].weak, rows[_i].ms),
                     NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(
        nplug_rumble_after(p->rig.nest, device, rows[_i].strong, rows[_i].weak, rows[_i].ms),
        NPLUG_ERR_ARGUMENT);
    step(p, p->now + MS);
    ck_assert_float_eq_tol(p->motors.of[1].strong, 0.5f, 1e-4f);
    ck_assert_float_eq_tol(p->motors.of[1].weak, 0.25f, 1e-4f);
    ck_assert_int_eq(nplug_rumble(p->rig.nest, device, INFINITY, 7.0f, 5), NPLUG_OK);
    step(p, p->now + MS);
    ck_assert_float_eq(p->motors.of[1].strong, 1.0f);
    ck_assert_float_eq(p->motors.of[1].weak, 1.0f);
    ck_assert_int_eq(nplug_rumble_after(p->rig.nest, device, 0.0f, 0.0f, 0), NPLUG_ERR_ARGUMENT);
    ck_assert_int_eq(nplug_pause_rumble(NULL, true), NPLUG_ERR_ARGUMENT);
    rig_close(&p->rig);
    free(p);
}

/* A device says what it can do, and does not fail where it cannot. */
TEST(a_device_tells_whether_it_rumbles_and_has_lights)
{
    play *p = malloc(sizeof *p);

    open_play(p);
    for (int i = 0; i < PADS; i++) {
        NPLUG_SIZED(nplug_device_facts, info);
        nplug_device_info(p->rig.nest, device_of(p, i), &info);
        ck_assert_int_eq(info.rumbles, i % 2 != 0);
        ck_assert_int_eq(info.lights, i % 2 == 0);
        ck_assert_int_eq(nplug_rumble(p->rig.nest, info.device, 1.0f, 1.0f, 10), NPLUG_OK);
        ck_assert_int_eq(nplug_show_player(p->rig.nest, info.device, 1), NPLUG_OK);
    }
    step(p, p->now + MS);
    rig_close(&p->rig);
    free(p);
}

/* Motors stop when the nest does. */
TEST(nothing_rumbles_when_the_nest_is_gone)
{
    play *p = malloc(sizeof *p);
    nplug_time now;

    open_play(p);
    nplug_rumble(p->rig.nest, device_of(p, 1), 1.0f, 1.0f, NPLUG_RUMBLE_MS_MAX);
    step(p, p->now + MS);
    ck_assert_uint_gt(p->motors.of[1].until, p->now);
    now = p->now;
    rig_close(&p->rig);
    ck_assert(p->motors.of[1].until <= now && p->motors.of[1].strong == 0.0f);
    free(p);
}
