/* Chords that share keys, in layers, against a plain model of their rules.
 *
 * The model is written from the headers: it knows which keys are down, and nothing else.
 * NPLUG_CASES=N: so many lists of edges of keys (100000 in ./dev test); NPLUG_SEED=S: from seed S.
 */
#include "edges.h"
#include <stdio.h>
#include <string.h>

#define KEYS    5
#define CHORDS  6
#define TURNS   24  /* of keys, in each list */
#define LISTS   250 /* for each game */
#define INITIAL "ABCDE"

/* A binding: the keys that it needs (a bit each), of which one drives. */
typedef struct chord {
    unsigned keys, driver, length;
    unsigned layer, rank; /* the higher layer before the longer chord */
    bool observes;
    bool fires; /* it holds its action, as the model has it */
} chord;

typedef struct play {
    test_rig rig;
    nplug_action_def actions[CHORDS];
    chord chords[CHORDS];
    unsigned down; /* a bit for each key */
    bool on[2];    /* the layers */
    edges expected[CHORDS], seen[CHORDS];
    char story[64 * TURNS];
    uint32_t random;
    nplug_time now;
} play;

static uint32_t below(play *play, uint32_t limit)
{
    return random_below(&play->random, limit);
}

/* --- the model ------------------------------------------------------------------------------ */

static void turn(play *play, unsigned number, bool fires, nplug_time time)
{
    if (play->chords[number].fires == fires) return;
    play->chords[number].fires = fires;
    edges_add(&play->expected[number], time);
}

static bool is_whole(const play *play, const chord *chord)
{
    return play->on[chord->layer] && (play->down & chord->keys) == chord->keys;
}

/* Whether one of a higher rank is whole, does more than observe, and has the same driving key. */
static bool is_hidden(const play *play, const chord *chord)
{
    bool hidden = false;

    for (unsigned c = 0; c < CHORDS; c++) {
        const struct chord *other = &play->chords[c];
        hidden |= !other->observes && is_whole(play, other) && other->rank > chord->rank &&
                  other->driver == chord->driver;
    }
    return hidden;
}

/* Whether a press makes a binding whole, and nothing hides it. */
static bool is_made(const play *play, const chord *chord, unsigned key)
{
    return ((chord->keys >> key) & 1u) && is_whole(play, chord) && !is_hidden(play, chord);
}

/* Whether the press makes one of a higher rank whole that holds all of a chord, and more. */
static bool is_part(const play *play, const chord *chord, unsigned key)
{
    bool part = false;

    for (unsigned c = 0; c < CHORDS; c++) {
        const struct chord *other = &play->chords[c];
        part |= !other->observes && is_made(play, other, key) && other->rank > chord->rank &&
                other->length > chord->length && chord->length > 1 &&
                (other->keys & chord->keys) == chord->keys;
    }
    return part;
}

/* Of all that a press makes whole, those of the highest rank fire. */
static void model_press(play *play, unsigned key, nplug_time time)
{
    unsigned highest = 0;

    play->down |= 1u << key;
    for (unsigned c = 0; c < CHORDS; c++) {
        const chord *chord = &play->chords[c];
        if (!chord->observes && is_made(play, chord, key) && chord->rank > highest)
            highest = chord->rank;
    }
    for (unsigned c = 0; c < CHORDS; c++) {
        const chord *chord = &play->chords[c];
        if (is_hidden(play, chord) || is_part(play, chord, key)) turn(play, c, false, time);
        if (is_made(play, chord, key) && chord->rank >= highest) turn(play, c, true, time);
    }
}

/* A layer that goes lets go of all; one that comes takes its keys, but sees no press. */
static void model_switch(play *play, unsigned layer, nplug_time time)
{
    play->on[layer] = !play->on[layer];
    for (unsigned c = 0; c < CHORDS; c++) {
        const chord *chord = &play->chords[c];
        if (!play->on[chord->layer] || is_hidden(play, chord)) turn(play, c, false, time);
    }
}

static void model_release(play *play, unsigned key, nplug_time time)
{
    play->down &= ~(1u << key);
    for (unsigned c = 0; c < CHORDS; c++)
        if ((play->chords[c].keys >> key) & 1u) turn(play, c, false, time);
}

/* --- playing -------------------------------------------------------------------------------- */

/* A chord of one to four keys, as a text; the one that drives stands last. */
static void make_chord(play *play, unsigned number, char *text, size_t size)
{
    chord *chord = &play->chords[number];
    unsigned length = 1 + below(play, below(play, 3) ? 3 : 4);
    size_t used = 0;

    memset(chord, 0, sizeof *chord);
    while (chord->length < length) {
        unsigned key = below(play, KEYS);
        if ((chord->keys >> key) & 1u) continue;
        chord->keys |= 1u << key;
        chord->driver = key;
        used += (size_t)snprintf(text + used, size - used, "%skey:Key%c", chord->length ? "+" : "",
                                 INITIAL[key]);
        chord->length++;
    }
    chord->layer = below(play, 3) == 0;
    chord->rank = 10 * chord->layer + length;
    chord->observes = below(play, 5) == 0;
    if (chord->observes) snprintf(text + used, size - used, " observe");
}

static void open_game(play *play, char text[CHORDS][64])
{
    static const char *const names[CHORDS] = {"first",  "second", "third",
                                              "fourth", "fifth",  "sixth"};
    static const nplug_layer_def layers[] = {{"helm", 0, true}, {"deck", 5, true}};
    nplug_game game = nplug_game_for_one("chords", play->actions, CHORDS);

    game.layers = layers;
    game.layer_count = 2;
    play->on[0] = play->on[1] = true;
    for (unsigned c = 0; c < CHORDS; c++) {
        make_chord(play, c, text[c], sizeof text[c]);
        play->actions[c] =
            (nplug_action_def){names[c], NPLUG_ACTION_BUTTON, text[c], play->chords[c].layer};
    }
    rig_open(&play->rig, &game, NULL);
    nplug_sim_plug(play->rig.sim, 0, "keys", "turnstone");
    rig_step(&play->rig, 0);
}

static void turn_key(play *play, unsigned key, nplug_time time)
{
    char name[] = "KeyX";
    bool press = !((play->down >> key) & 1u);
    size_t used = strlen(play->story);

    name[3] = INITIAL[key];
    snprintf(play->story + used, sizeof play->story - used, " %c%c@%llu", press ? '+' : '-',
             INITIAL[key], (unsigned long long)time);
    if (press)
        nplug_sim_press(play->rig.sim, time, "keys", name, 0);
    else
        nplug_sim_release(play->rig.sim, time, "keys", name);
    if (press)
        model_press(play, key, time);
    else
        model_release(play, key, time);
}

static void step_to(play *play, nplug_time time)
{
    while (play->now < time) {
        play->now += 1 + below(play, 40000);
        rig_step(&play->rig, play->now);
        edges_see(play->rig.nest, play->seen);
    }
}

static void switch_layer(play *play, unsigned layer)
{
    size_t used = strlen(play->story);

    snprintf(play->story + used, sizeof play->story - used, " %s%s@%llu",
             play->on[layer] ? "-" : "+", layer ? "deck" : "helm", (unsigned long long)play->now);
    nplug_switch_layer(play->rig.nest, 1, layer, !play->on[layer]);
    model_switch(play, layer, play->now);
}

/* Keys go down and up at random, and layers with them; in the end all keys come up. */
static void play_list(play *play)
{
    nplug_time at = play->now;

    memset(play->expected, 0, sizeof play->expected);
    memset(play->seen, 0, sizeof play->seen);
    play->story[0] = 0;
    for (unsigned i = 0; i < TURNS; i++) {
        if (below(play, 12) == 0) {
            step_to(play, at);
            switch_layer(play, below(play, 2));
            at = play->now;
        }
        at += 1 + below(play, 9000);
        turn_key(play, below(play, KEYS), at);
    }
    for (unsigned key = 0; key < KEYS; key++)
        if ((play->down >> key) & 1u) turn_key(play, key, at += 100);
    step_to(play, at);
}

/* Says all of a list that went wrong. */
static void complain(const play *play, unsigned number, char text[CHORDS][64], uint32_t seed)
{
    fprintf(stderr, "seed %u:%s\n", seed, play->story);
    for (unsigned c = 0; c < CHORDS; c++)
        fprintf(stderr, "  %s: %s%s\n", play->chords[c].layer ? "deck" : "helm", text[c],
                c == number ? "  <- this one" : "");
    edges_tell("expected", &play->expected[number], 0);
    edges_tell("seen", &play->seen[number], 0);
    ck_abort_msg("chords differ from their rules");
}

static void play_game(uint32_t seed)
{
    static play play;
    char text[CHORDS][64];

    memset(&play, 0, sizeof play);
    play.random = seed * 2654435761u;
    open_game(&play, text);
    for (unsigned i = 0; i < LISTS; i++) {
        play_list(&play);
        for (unsigned c = 0; c < CHORDS; c++)
            if (!edges_are_same(&play.expected[c], &play.seen[c])) complain(&play, c, text, seed);
    }
    rig_close(&play.rig);
}

TEST(the_longest_chord_wins_in_any_order)
{
    play_cases("chords", play_game, LISTS, 30 * LISTS, 30);
}
