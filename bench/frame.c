/* A 60 Hz frame of the load, with 4 players, 64 actions and 3 bindings each, against what games do
 * by hand: drain the same reports into an array, then look at every binding once.  Ratio
 * frame_vs_scan VALUE, pushed group by group as ports push; ratio frame_bulk_vs_scan VALUE, pushed
 * in one call.  Both sides get the reports out of memory, and take turns in going first; both must
 * come to the same values and presses.
 *
 * The actions are those of a game: two sticks, two triggers, and sixty buttons; a third of all
 * bindings is on keys that nobody has.  The hand's side has no dead zones, remapping or layers, and
 * no idea of devices coming and going. */
#include "hand.h"
#include <stddef.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* --- the game, in both ways of saying it ------------------------------------------------------ */

/* The pad's buttons and their signals; the d-pad's directions are ends of two hats. */
static const struct {
    const char *name;
    uint16_t signal;
    int32_t down;
} buttons[] = {{"south", 8, 1},
               {"east", 9, 1},
               {"west", 10, 1},
               {"north", 11, 1},
               {"shoulder-left", 12, 1},
               {"shoulder-right", 13, 1},
               {"select", 14, 1},
               {"start", 15, 1},
               {"home", 16, 1},
               {"stick-left-click", 17, 1},
               {"stick-right-click", 18, 1},
               {"dpad-left", 6, -1},
               {"dpad-right", 6, 1},
               {"dpad-up", 7, -1},
               {"dpad-down", 7, 1}};
#define BUTTONS (sizeof buttons / sizeof *buttons)

static char texts[ACTIONS][96], names[ACTIONS][16];
static nplug_action_def defs[ACTIONS];
static hand by_hand;

static void make_stick(int i, const char *name, uint16_t x, uint16_t y)
{
    snprintf(texts[i], sizeof texts[i],
             "pad:%s | keys:KeyW,KeyS,KeyA,KeyD | keys:KeyI,KeyK,KeyJ,KeyL", name);
    defs[i].kind = NPLUG_ACTION_VECTOR;
    by_hand.bindings[i][0] = (hand_binding){STICK, x, y, 0, {0}};
    by_hand.bindings[i][1] = (hand_binding){CROSS, 0, 0, 0, {'W', 'S', 'A', 'D'}};
    by_hand.bindings[i][2] = (hand_binding){CROSS, 0, 0, 0, {'I', 'K', 'J', 'L'}};
}

static void make_trigger(int i, const char *name, uint16_t signal)
{
    snprintf(texts[i], sizeof texts[i], "pad:%s | key:Space | key:Enter", name);
    defs[i].kind = NPLUG_ACTION_LEVEL;
    by_hand.bindings[i][0] = (hand_binding){TRIGGER, signal, signal, 0, {0}};
    by_hand.bindings[i][1] = (hand_binding){KEY, 0, 0, 0, {' '}};
    by_hand.bindings[i][2] = (hand_binding){KEY, 0, 0, 0, {'\r'}};
}

static void make_button(int i)
{
    unsigned b[2] = {(unsigned)i % BUTTONS, ((unsigned)i + 3) % BUTTONS};

    snprintf(texts[i], sizeof texts[i], "pad:%s | pad:%s | key:F%d", buttons[b[0]].name,
             buttons[b[1]].name, 1 + i % 12);
    defs[i].kind = NPLUG_ACTION_BUTTON;
    for (int n = 0; n < 2; n++)
        by_hand.bindings[i][n] =
            (hand_binding){BUTTON, buttons[b[n]].signal, 0, buttons[b[n]].down, {0}};
    by_hand.bindings[i][2] = (hand_binding){KEY, 0, 0, 0, {(uint16_t)(128 + i % 12)}};
}

static void make_game(void)
{
    for (int i = 0; i < ACTIONS; i++) {
        snprintf(names[i], sizeof names[i], "action-%d", i);
        defs[i].name = names[i];
        defs[i].bindings = texts[i];
        if (i == 0) make_stick(i, "stick-left", 0, 1);
        if (i == 1) make_stick(i, "stick-right", 3, 4);
        if (i == 2) make_trigger(i, "trigger-left", 2);
        if (i == 3) make_trigger(i, "trigger-right", 5);
        if (i > 3) make_button(i);
    }
}

/* --- both ------------------------------------------------------------------------------------- */

/* A round is two milliseconds: with few of them, a moment of somebody else's decides. */
#define FRAME_ROUNDS 151

static nplug_nest *open_game(nplug_ring **ring)
{
    nplug_game game = nplug_game_for("frame", defs, ACTIONS, PLAYERS);
    nplug_limits limits = nplug_limits_default();
    nplug_nest *nest;

    limits.bindings = 256;
    limits.links = 2048;
    limits.events = 4096;
    nest = open_nest(&game, &limits, ring);
    for (uint32_t pad = 0; pad < PADS; pad++)
        nplug_claim(nest, nplug_device_at(nest, pad), pad / 2 + 1);
    return nest;
}

/* Values, held buttons and presses are the same. */
static void check_frame(nplug_nest *nest, hand *h)
{
    uint64_t presses = 0;

    for (unsigned p = 0; p < PLAYERS; p++)
        for (unsigned a = 0; a < ACTIONS; a++) {
            nplug_vec2 value = nplug_vector(nest, p + 1, a);
            presses += nplug_presses(nest, p + 1, a);
            if (value.x == h->value[p][a].x && value.y == h->value[p][a].y &&
                (a < 4 || nplug_held(nest, p + 1, a) == h->held[p][a]))
                continue;
            fprintf(stderr, "bench: player %u's action %u differs: %f %f, by hand %f %f\n", p + 1,
                    a, (double)value.x, (double)value.y, (double)h->value[p][a].x,
                    (double)h->value[p][a].y);
            exit(1);
        }
    if (presses != h->presses) {
        fprintf(stderr, "bench: %llu presses, by hand %llu\n", (unsigned long long)presses,
                (unsigned long long)h->presses);
        exit(1);
    }
    h->presses = 0;
}

/* How a frame's reports reach the nest. */
typedef void pusher(nplug_ring *ring, const nplug_report *reports, size_t count);

static void push_in_bulk(nplug_ring *ring, const nplug_report *reports, size_t count)
{
    nplug_push(ring, reports, count);
}

static void push_by_group(nplug_ring *ring, const nplug_report *reports, size_t count)
{
    size_t first = 0;

    for (size_t i = 0; i < count; i++) {
        if (reports[i].flags & NPLUG_REPORT_FLAG_MORE) continue;
        nplug_push(ring, reports + first, i + 1 - first);
        first = i + 1;
    }
}

typedef struct frame {
    nplug_report reports[FRAME_MOST];
    size_t count;
    nplug_time end;
} frame;

static double time_nest(nplug_nest *nest, nplug_ring *ring, pusher *push, const frame *now)
{
    double begin = now_ns();

    push(ring, now->reports, now->count);
    nplug_step(nest, now->end);
    return now_ns() - begin;
}

static double time_hand(hand *h, const frame *now)
{
    double begin = now_ns();

    hand_drain(h, now->reports, now->count);
    hand_scan(h);
    return now_ns() - begin;
}

/* One round over all frames: nanoseconds a frame of both. */
static void run_round(nplug_nest *nest, nplug_ring *ring, pusher *push, const load *load,
                      nplug_time from, double *nest_ns, double *hand_ns)
{
    static frame now;
    double in_nest = 0.0, in_hand = 0.0;
    size_t at = 0;

    for (unsigned f = 0; f < FRAMES; f++) {
        now.count = make_frame(now.reports, load, at, load->frame_end[f], from);
        now.end = from + (f + 1) * UINT64_C(1000000) / 60;
        if (f % 2) in_hand += time_hand(&by_hand, &now);
        in_nest += time_nest(nest, ring, push, &now);
        if (f % 2 == 0) in_hand += time_hand(&by_hand, &now);
        check_frame(nest, &by_hand);
        at = load->frame_end[f];
    }
    *nest_ns = in_nest / FRAMES;
    *hand_ns = in_hand / FRAMES;
}

static void measure(const char *name, pusher *push)
{
    double ratios[FRAME_ROUNDS], nest_ns = 0.0, hand_ns = 0.0;
    nplug_ring *ring = NULL;
    nplug_nest *nest = open_game(&ring);
    load load;

    memset(&by_hand, 0, offsetof(hand, bindings)); /* whatever was pressed */
    make_load(&load, 1000);
    for (unsigned i = 0; i < FRAME_ROUNDS; i++) {
        run_round(nest, ring, push, &load, (nplug_time)(i + 1) * SECONDS * 1000000, &nest_ns,
                  &hand_ns);
        ratios[i] = nest_ns / hand_ns;
    }
    printf("# %.0f ns a frame, %.0f ns by hand\n", nest_ns, hand_ns);
    printf("ratio %s %.2f\n", name, median(ratios, FRAME_ROUNDS));
    nplug_stop(nest);
    free(load.reports);
}

void measure_frames(void)
{
    make_game();
    measure("frame_vs_scan", push_by_group);
    measure("frame_bulk_vs_scan", push_in_bulk);
}
