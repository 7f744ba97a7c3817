/* Taps, double taps, longer rows and holds of one control, against a plain model of their rules.
 *
 * The model is written from the headers: it looks at a whole list of presses at once.  It knows no
 * frames, timers or waiting.  NPLUG_CASES=N: so many lists of presses (100000 in ./dev test);
 * NPLUG_SEED=S: from seed S. */
#include "edges.h"
#include <stdio.h>
#include <string.h>

#define ROWS    3
#define HOLD    ROWS
#define PLAIN   (ROWS + 1)
#define ACTIONS (ROWS + 2)
#define MOST    9
#define LISTS   250 /* of presses, for each game */

/* A binding of the control: `taps` presses, `wait` microseconds at most each. */
typedef struct row {
    unsigned taps;
    nplug_time wait;
} row;

/* A press of the control. */
typedef struct press {
    nplug_time down, up;
} press;

typedef struct play {
    test_rig rig;
    nplug_action_def actions[ACTIONS];
    row rows[ROWS];
    nplug_time hold;
    press presses[MOST];
    unsigned count;
    edges expected[ACTIONS], seen[ACTIONS];
    uint32_t random;
    nplug_time now;
} play;

static uint32_t below(play *play, uint32_t limit)
{
    return random_below(&play->random, limit);
}

/* --- the model ------------------------------------------------------------------------------ */

static void expect(play *play, unsigned action, nplug_time down, nplug_time up)
{
    edges_add(&play->expected[action], down);
    edges_add(&play->expected[action], up > down ? up : down);
}

/* The time from which a press is too long for a row; a hold that fires at once ends it, too. */
static nplug_time too_long(const play *play, const press *press, nplug_time wait)
{
    nplug_time over = press->down + wait + 1, held = press->down + play->hold;

    return held < over ? held : over;
}

/* Whether a row that begins with a press is made; *known is when that is certain. */
static bool is_made(const play *play, unsigned first, const row *row, nplug_time *known)
{
    for (unsigned i = first; i < first + row->taps; i++) {
        const press *press = &play->presses[i];
        *known = i ? play->presses[i - 1].up + row->wait + 1 : 0;
        if (i == play->count || (i > first && press->down >= *known)) return false;
        *known = press->down;
        if (row->taps > 1 && i + 1 == first + row->taps) return true;
        *known = too_long(play, press, row->wait);
        if (press->up >= *known) return false;
        *known = press->up;
    }
    return true;
}

/* The row to which a press belongs that no earlier row has: how many presses there are in it, 0
 * for none; *told is when that is known, not before the last one was. */
static unsigned longest(const play *play, unsigned first, nplug_time *told)
{
    unsigned most = 0;
    nplug_time known;

    for (unsigned r = 0; r < ROWS; r++)
        if (play->rows[r].taps > most && is_made(play, first, &play->rows[r], &known))
            most = play->rows[r].taps;
    for (unsigned r = 0; r < ROWS; r++) {
        if (play->rows[r].taps < most) continue;
        if (!is_made(play, first, &play->rows[r], &known) && play->rows[r].taps == most) continue;
        if (known > *told) *told = known;
    }
    return most;
}

static void foresee(play *play)
{
    nplug_time told = 0, known;

    for (unsigned first = 0; first < play->count;) {
        unsigned taps = longest(play, first, &told);
        for (unsigned r = 0; taps && r < ROWS; r++)
            if (play->rows[r].taps == taps && is_made(play, first, &play->rows[r], &known))
                expect(play, r, told, play->presses[first + taps - 1].up);
        first += taps ? taps : 1;
    }
    for (unsigned i = 0; i < play->count; i++) {
        const press *press = &play->presses[i];
        expect(play, PLAIN, press->down, press->up);
        if (press->up - press->down >= play->hold)
            expect(play, HOLD, press->down + play->hold, press->up);
    }
}

/* --- playing -------------------------------------------------------------------------------- */

/* A span about as long as those that the game asks for, often one of them to the microsecond. */
static nplug_time some_span(play *play)
{
    nplug_time near = play->rows[below(play, ROWS)].wait;

    if (below(play, 6) == 0) near = play->hold;
    if (below(play, 4) == 0) return near + below(play, 3) - 1;
    return 2 * MS + below(play, (uint32_t)near * 5 / 4);
}

static void open_game(play *play, char text[ACTIONS][32])
{
    static const char *const names[ACTIONS] = {"first", "second", "third", "held", "plain"};
    nplug_game game = nplug_game_for_one("taps", play->actions, ACTIONS);

    for (unsigned r = 0; r < ROWS; r++) {
        row *row = &play->rows[r];
        row->taps = 1 + below(play, 4);
        row->wait = (3 + below(play, 30)) * 10 * MS;
        snprintf(text[r], 32, "pad:south taps=%u:%u", row->taps, (unsigned)(row->wait / MS));
    }
    play->hold = (10 + below(play, 50)) * 10 * MS;
    snprintf(text[HOLD], 32, "pad:south hold=%u", (unsigned)(play->hold / MS));
    snprintf(text[PLAIN], 32, "pad:south");
    for (unsigned a = 0; a < ACTIONS; a++)
        play->actions[a] = (nplug_action_def){names[a], NPLUG_ACTION_BUTTON, text[a], 0};
    rig_open(&play->rig, &game, NULL);
    nplug_sim_plug(play->rig.sim, 0, "pad", "heron");
    rig_step(&play->rig, 0);
    play->now = 0;
}

/* A list of presses, played by steps of any length. */
static void play_list(play *play)
{
    nplug_time at = play->now + SECOND, end;

    memset(play->expected, 0, sizeof play->expected);
    memset(play->seen, 0, sizeof play->seen);
    play->count = 1 + below(play, MOST);
    for (unsigned i = 0; i < play->count; i++) {
        press *press = &play->presses[i];
        press->down = at;
        press->up = at + some_span(play);
        at = press->up + some_span(play);
        nplug_sim_press(play->rig.sim, press->down, "pad", "south", press->up - press->down);
    }
    for (end = at + 2 * SECOND; play->now < end;) {
        play->now += 1 + below(play, below(play, 2) ? 20000 : 400000);
        rig_step(&play->rig, play->now);
        edges_see(play->rig.nest, play->seen);
    }
    foresee(play);
}

/* Says all of a list that went wrong. */
static void complain(const play *play, unsigned action, char text[ACTIONS][32], uint32_t seed)
{
    nplug_time from = play->presses[0].down;

    fprintf(stderr, "seed %u, \"%s\" beside:\n", seed, text[action]);
    for (unsigned a = 0; a < ACTIONS; a++)
        fprintf(stderr, "  %s\n", text[a]);
    for (unsigned i = 0; i < play->count; i++)
        fprintf(stderr, "  press %lld to %lld\n", (long long)(play->presses[i].down - from),
                (long long)(play->presses[i].up - from));
    edges_tell("expected", &play->expected[action], from);
    edges_tell("seen", &play->seen[action], from);
    ck_abort_msg("taps differ from their rules");
}

static void play_game(uint32_t seed)
{
    static play play;
    char text[ACTIONS][32];

    memset(&play, 0, sizeof play);
    play.random = seed * 2654435761u;
    open_game(&play, text);
    for (unsigned i = 0; i < LISTS; i++) {
        play_list(&play);
        for (unsigned a = 0; a < ACTIONS; a++)
            if (!edges_are_same(&play.expected[a], &play.seen[a])) complain(&play, a, text, seed);
    }
    rig_close(&play.rig);
}

TEST(no_press_is_lost_whatever_else_is_wanted_of_it)
{
    play_cases("taps", play_game, LISTS, 30 * LISTS, 30);
}
