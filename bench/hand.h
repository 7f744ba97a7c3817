/* What games do by hand today: raw values in an array, and every binding looked at once a frame. */
#ifndef HAND_H
#define HAND_H

#include "load.h"

#define PLAYERS 4
#define ACTIONS 64
#define SIGNALS 19

/* One binding by hand: which signals or keys, and how they are read. */
typedef struct hand_binding {
    enum { STICK, TRIGGER, BUTTON, KEY, CROSS } kind;
    uint16_t x, y;    /* signals */
    int32_t down;     /* what a button says when it is */
    uint16_t keys[4]; /* one, or up, down, left and right */
} hand_binding;

typedef struct hand {
    int32_t raw[PADS][SIGNALS];
    uint8_t down[PLAYERS][SIGNALS];   /* on how many of a player's pads */
    uint32_t edges[PLAYERS][SIGNALS]; /* presses since the last frame */
    uint8_t keys[256];                /* of the one keyboard, were there any */
    uint32_t key_edges[256];
    nplug_vec2 value[PLAYERS][ACTIONS];
    bool held[PLAYERS][ACTIONS];
    uint64_t presses;
    hand_binding bindings[ACTIONS][3];
} hand;

/* Takes what pads reported into the array.  Presses are counted as they come: one that is over
 * before the frame's end is seen, too. */
void hand_drain(hand *h, const nplug_report *reports, size_t count);

/* Every binding of every action, on the two pads of each player and on the one keyboard; the
 * strongest gives the value. */
void hand_scan(hand *h);

#endif
