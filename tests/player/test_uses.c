/* What one player uses, against a plain model of the rules for the active set.
 *
 * The model is written from the header: it is told what the hardware does, and knows the clock.
 * NPLUG_CASES=N: so many lists of uses (100000 in ./dev test); NPLUG_SEED=S: from seed S on. */
#include "edges.h"
#include <math.h>
#include <stdio.h>
#include <string.h>

#define USES              20  /* in each list */
#define LISTS             200 /* for each game */
#define AXES              6   /* of a device, at most */
#define LOOK              (100 * MS)
#define PAUSE             (100 * MS)
#define NEVER             UINT64_MAX
#define REST              (-1) /* the sort of a lever has none */
#define EVDEV(type, code) ((uint32_t)(type) << 16 | (code))
#define HID(page, usage)  ((uint32_t)(page) << 16 | (usage))

/* An axis of a device: its signal, and how far that goes to say 1.  Those of one stick are one. */
typedef struct axis {
    uint32_t code;
    int32_t full, off; /* what it says at 1, and at rest */
    int stick;         /* the same number for both numbers of one; REST: a lever */
    bool press;        /* a trigger: pressed half way */
} axis;

#define PAD(name, set)                                                                             \
    {                                                                                              \
        name, "heron", "south", NPLUG_SPACE_EVDEV, NPLUG_KIND_PAD, set, 6,                         \
        {                                                                                          \
            {EVDEV(3, 0), 32767, 0, 0, false}, {EVDEV(3, 1), -32768, 0, 0, false},                 \
                {EVDEV(3, 3), 32767, 0, 1, false}, {EVDEV(3, 4), -32768, 0, 1, false},             \
                {EVDEV(3, 2), 1023, 0, 2, true}, {EVDEV(3, 5), 1023, 0, 3, true},                  \
        }                                                                                          \
    }

static const struct hardware {
    const char *name, *model, *key;
    nplug_space space;
    nplug_device_kind kind;
    int set; /* the same number for devices of one set */
    unsigned axes;
    axis axis[AXES];
} hardware[] = {
    PAD("pad", 0),
    PAD("pad-2", 1),
    {"keys", "turnstone", "KeyF", NPLUG_SPACE_EVDEV, NPLUG_KIND_KEYBOARD, 2, 0, {{0}}},
    {"mouse", "stint", "left", NPLUG_SPACE_EVDEV, NPLUG_KIND_MOUSE, 2, 0, {{0}}},
    {"quadrant",
     "godwit",
     "button-1",
     NPLUG_SPACE_HID,
     NPLUG_KIND_STICK,
     3,
     2,
     {{HID(2, 0xbb), 65535, 0, REST, false}, {HID(2, 0xba), 2047, 0, 0, false}}},
};
#define DEVICES COUNT_OF(hardware)

/* What the model knows of a device. */
typedef struct known {
    float at[AXES];
    bool ready[AXES];   /* by stick: it may begin a movement */
    bool pressed[AXES]; /* of a trigger */
    bool down, pulled;
    bool stood_known; /* of its lever: where it stood */
    float stood;
    int32_t way[2];           /* of a mouse, since its last pause */
    nplug_time slid, decided; /* when it moved last; when the dwell of its movement is over */
} known;

typedef struct play {
    test_rig rig;
    known of[DEVICES];
    unsigned active;
    nplug_time since, used, dwell, now, look;
    bool looked, moved;
    float stood; /* the sum at the last look */
    uint32_t ignored;
    struct {
        nplug_time time;
        unsigned device;
    } expected[64], seen[64];
    unsigned expected_count, seen_count;
    char story[4096];
    uint32_t random;
} play;

static uint32_t below(play *play, uint32_t limit)
{
    return random_below(&play->random, limit);
}

/* --- the model ------------------------------------------------------------------------------ */

static bool is_active(const play *play, unsigned d)
{
    return hardware[d].set == hardware[play->active].set;
}

/* How far the axes of a set are from rest, all together. */
static float sum_of_set(const play *play, int set)
{
    float sum = 0.0f;

    for (unsigned d = 0; d < DEVICES; d++)
        for (unsigned a = 0; hardware[d].set == set && a < hardware[d].axes; a++)
            if (hardware[d].axis[a].stick != REST) sum += fabsf(play->of[d].at[a]);
    return sum;
}

static bool stands_elsewhere(const play *play)
{
    return play->looked &&
           fabsf(sum_of_set(play, hardware[play->active].set) - play->stood) >= 0.1f;
}

static bool is_being_moved(const play *play, nplug_time time)
{
    return time - play->used < play->dwell || play->moved || stands_elsewhere(play);
}

/* Whether an axis of a device is a quarter of its way from rest; `stick` REST: any axis. */
static bool is_away(const play *play, unsigned d, int stick, float limit)
{
    bool away = false;

    for (unsigned a = 0; a < hardware[d].axes; a++) {
        int of = hardware[d].axis[a].stick;
        away |= of != REST && (stick == REST || of == stick) && fabsf(play->of[d].at[a]) >= limit;
    }
    return away;
}

static void make_active(play *play, unsigned d, nplug_time time)
{
    for (unsigned i = 0; i < DEVICES; i++)
        if (is_active(play, i)) play->of[i].stood_known = play->of[i].pulled = false;
    play->active = d;
    play->since = play->used = time;
    play->looked = play->moved = false;
    for (unsigned i = 0; i < DEVICES; i++) {
        if (!is_active(play, i)) continue;
        play->of[i].decided = NEVER;
        memset(play->of[i].ready, 0, sizeof play->of[i].ready);
    }
    ck_assert_uint_lt(play->expected_count, COUNT_OF(play->expected));
    play->expected[play->expected_count].time = time;
    play->expected[play->expected_count++].device = d;
}

static void use(play *play, unsigned d, bool press, nplug_time time)
{
    if ((play->ignored >> hardware[d].kind) & 1u) return;
    if (is_active(play, d)) {
        play->used = time;
        play->active = d;
    } else if (press || !is_being_moved(play, time)) {
        make_active(play, d, time);
    } else if (play->of[d].decided == NEVER) {
        play->of[d].decided = time + play->dwell;
    }
}

/* The dwell of a movement is over. */
static void decide(play *play, unsigned d, nplug_time time)
{
    known *known = &play->of[d];
    bool slides = known->slid && time - known->slid < PAUSE;

    known->decided = NEVER;
    if (is_active(play, d) || (play->ignored >> hardware[d].kind) & 1u) return;
    if (slides || known->pulled || is_away(play, d, REST, 0.25f)) make_active(play, d, time);
}

static void look(play *play)
{
    float sum = sum_of_set(play, hardware[play->active].set);

    play->moved = stands_elsewhere(play);
    play->stood = sum;
    play->looked = true;
    for (unsigned d = 0; d < DEVICES; d++) {
        if (is_active(play, d)) continue;
        for (int stick = 0; stick < AXES; stick++)
            play->of[d].ready[stick] |= !is_away(play, d, stick, 0.25f);
        if (hardware[d].axes && !is_away(play, d, REST, 0.25f) && !play->of[d].pulled)
            play->of[d].decided = NEVER;
    }
}

/* All that falls due by itself up to a time, in order: of what falls due together, looks are last.
 */
static void wait_until(play *play, nplug_time time)
{
    for (;;) {
        unsigned first = 0;
        for (unsigned d = 1; d < DEVICES; d++)
            if (play->of[d].decided < play->of[first].decided) first = d;
        if (play->of[first].decided <= time && play->of[first].decided <= play->look) {
            decide(play, first, play->of[first].decided);
        } else if (play->look <= time) {
            look(play);
            play->look += LOOK;
        } else {
            return;
        }
    }
}

static void model_axis(play *play, unsigned d, unsigned a, float to, nplug_time time)
{
    const axis *axis = &hardware[d].axis[a];
    known *known = &play->of[d];
    bool half = to >= (known->pressed[a] ? 0.4f : 0.5f), press = half && !known->pressed[a];

    known->at[a] = to;
    if (axis->stick == REST) {
        bool pulled = known->stood_known && fabsf(to - known->stood) >= 0.35f;
        if (pulled || !known->stood_known) known->stood = to;
        known->stood_known = true;
        known->pulled |= pulled;
        if (pulled) use(play, d, false, time);
        return;
    }
    known->pressed[a] = half;
    if (known->ready[axis->stick] && is_away(play, d, axis->stick, 0.35f)) {
        known->ready[axis->stick] = false;
        use(play, d, axis->press && press, time);
    } else if (axis->press && press) {
        use(play, d, true, time);
    }
}

static void model_slide(play *play, unsigned d, unsigned axis, int32_t counts, nplug_time time)
{
    known *known = &play->of[d];
    bool paused = !known->slid || time - known->slid >= PAUSE, meant = axis == 2;

    if (paused) known->way[0] = known->way[1] = 0;
    if (paused) known->decided = NEVER;
    if (axis < 2) {
        known->way[axis] += counts;
        meant = known->way[axis] >= 40 || known->way[axis] <= -40;
    }
    if (meant && axis < 2) known->way[0] = known->way[1] = 0;
    if (meant) use(play, d, false, time);
    known->slid = time;
}

/* --- playing -------------------------------------------------------------------------------- */

static void open_game(play *play)
{
    nplug_game game = harbour_for(1);
    nplug_setup setup = nplug_setup_default();

    setup.follow_rest = false; /* where axes rest is what their sheets say */
    rig_open_setup(&play->rig, &game, setup);
    for (unsigned d = 0; d < DEVICES; d++) {
        nplug_sim_plug(play->rig.sim, d + 1, hardware[d].name, hardware[d].model);
        play->of[d].decided = NEVER;
    }
    rig_step(&play->rig, 10);
    play->now = 10;
    play->look = LOOK;
    play->dwell = 150 * MS;
    play->active = 0; /* the first that came is what would be used */
    play->since = play->used = 1;
}

static void note(play *play, nplug_time time, const char *what, unsigned d, double to)
{
    size_t used = strlen(play->story);

    snprintf(play->story + used, sizeof play->story - used, "  %llu %s %s %g\n",
             (unsigned long long)time, hardware[d].name, what, to);
}

static void say(play *play, nplug_time time, unsigned d, uint32_t code, int32_t value)
{
    nplug_move move = {.time = time,
                       .kind = NPLUG_MOVE_SIGNAL,
                       .on = hardware[d].name,
                       .space = (uint8_t)hardware[d].space,
                       .code = code,
                       .value = value};

    ck_assert_int_eq(nplug_sim_move(play->rig.sim, &move), NPLUG_OK);
}

static void do_axis(play *play, unsigned d, nplug_time time)
{
    static const float places[] = {0.0f, 0.0f, 0.15f, 0.3f, 0.45f, 0.6f, 0.75f, 0.9f};
    unsigned a = below(play, hardware[d].axes);
    const axis *axis = &hardware[d].axis[a];
    float to = places[below(play, COUNT_OF(places))];
    int32_t raw;

    if (!axis->press && axis->stick != REST && below(play, 2)) to = 0.0f - to;
    raw = (int32_t)(to * (float)axis->full);
    note(play, time,
         axis->stick == REST ? "lever"
         : axis->press       ? "trigger"
                             : "stick",
         d, (double)to);
    say(play, time, d, axis->code, raw);
    model_axis(play, d, a, to, time);
}

static void do_slide(play *play, nplug_time time)
{
    unsigned axis = below(play, 5) ? below(play, 2) : 2;
    int32_t counts = axis == 2 ? 1 : (int32_t)below(play, 91) - 45;
    static const uint32_t codes[] = {EVDEV(2, 0), EVDEV(2, 1), EVDEV(2, 8)};

    if (counts == 0) counts = 1;
    note(play, time, axis == 2 ? "wheel" : "slides", 3, counts);
    say(play, time, 3, codes[axis], counts);
    model_slide(play, 3, axis, axis == 1 ? -counts : counts, time);
}

static void do_button(play *play, unsigned d, nplug_time time)
{
    known *known = &play->of[d];

    known->down = !known->down;
    note(play, time, "button", d, known->down);
    if (known->down)
        nplug_sim_press(play->rig.sim, time, hardware[d].name, hardware[d].key, 0);
    else
        nplug_sim_release(play->rig.sim, time, hardware[d].name, hardware[d].key);
    if (known->down) use(play, d, true, time);
}

static void do_something(play *play, nplug_time time)
{
    unsigned d = below(play, DEVICES);

    wait_until(play, time);
    if (hardware[d].axes && below(play, 5))
        do_axis(play, d, time);
    else if (d == 3 && below(play, 5))
        do_slide(play, time);
    else if (below(play, 3) == 0)
        do_button(play, d, time);
}

static unsigned which(const play *play, nplug_device device)
{
    unsigned d = 0;

    while (d < DEVICES && nplug_device_at(play->rig.nest, d) != device)
        d++;
    return d;
}

static void step_to(play *play, nplug_time time)
{
    nplug_event event;

    while (play->now < time) {
        nplug_time next = play->now + 1 + below(play, 60000);
        play->now = next < time ? next : time;
        rig_step(&play->rig, play->now);
        for (uint32_t i = 0; i < nplug_event_count(play->rig.nest); i++) {
            event = *nplug_event_at(play->rig.nest, i);
            if (event.kind != NPLUG_EVENT_ACTIVE || event.player != 1) continue;
            ck_assert_uint_lt(play->seen_count, COUNT_OF(play->seen));
            play->seen[play->seen_count].time = event.time;
            play->seen[play->seen_count++].device = which(play, event.device);
        }
    }
}

static void complain(const play *play, uint32_t seed, unsigned list)
{
    fprintf(stderr, "seed %u, list %u, dwell %llu:\n%s", seed, list,
            (unsigned long long)play->dwell, play->story);
    for (unsigned i = 0; i < play->expected_count; i++)
        fprintf(stderr, "  expected %s at %llu\n", hardware[play->expected[i].device].name,
                (unsigned long long)play->expected[i].time);
    for (unsigned i = 0; i < play->seen_count; i++)
        fprintf(stderr, "  seen %s at %llu\n",
                play->seen[i].device < DEVICES ? hardware[play->seen[i].device].name : "?",
                (unsigned long long)play->seen[i].time);
    ck_abort_msg("the active set differs from its rules");
}

static bool is_right(const play *play)
{
    bool right = play->expected_count == play->seen_count;

    for (unsigned i = 0; right && i < play->seen_count; i++)
        right = play->expected[i].time == play->seen[i].time &&
                hardware[play->expected[i].device].set == hardware[play->seen[i].device].set;
    return right;
}

/* The game follows otherwise now and then. */
static void change_wishes(play *play)
{
    static const uint32_t dwells[] = {0, 30, 150, 150, 400};
    nplug_following following = nplug_following_default();

    following.dwell_ms = dwells[below(play, COUNT_OF(dwells))];
    following.ignored = below(play, 6) ? 0 : 1u << NPLUG_KIND_MOUSE;
    play->dwell = following.dwell_ms * MS;
    play->ignored = following.ignored;
    nplug_follow(play->rig.nest, 1, &following);
}

static void play_list(play *play)
{
    nplug_time at = play->now;

    play->expected_count = play->seen_count = 0;
    play->story[0] = 0;
    if (below(play, 3) == 0) change_wishes(play);
    for (unsigned i = 0; i < USES; i++) {
        at += 1 + below(play, below(play, 4) ? 30000 : 250000);
        if (below(play, 10) == 0) at = (at / LOOK + 1) * LOOK;
        do_something(play, at);
    }
    wait_until(play, at);
    step_to(play, at);
}

static void play_game(uint32_t seed)
{
    static play play;

    memset(&play, 0, sizeof play);
    play.random = seed * 2654435761u;
    open_game(&play);
    for (unsigned i = 0; i < LISTS; i++) {
        play_list(&play);
        if (!is_right(&play)) complain(&play, seed, i);
    }
    rig_close(&play.rig);
}

TEST(what_is_used_is_active)
{
    play_cases("uses", play_game, LISTS, 30 * LISTS, 30);
}
