/* Stories: what people do with simulated hardware, what a game calls, and what comes of it, as
 * texts.
 *
 * Statements are parted by semicolons; the words of each by blanks.  Moments and spans are
 * milliseconds, and may have a fraction.
 *
 *   20: ...                 steps to 20 ms (then whatever the statement goes on with)
 *   20 press pad south 5    a move of the hardware at 20 ms; without a number: at the last step's
 * time not held 1 call         the opposite of a check
 *   ... -> full             the result that a call must have (NPLUG_ERR_FULL); without it: ok
 *
 * Players are numbers, or `any`; actions go by name, or `*`; devices are #PLACE among those that
 * are here, or $NAME after `let NAME #PLACE`, whether it is still here or not.  A number that is
 * checked is exact, or has a tolerance (0.5~0.01), or is a bound (>0.6, <0.1).
 *
 * First comes the game: `harbour` (the tests' usual actions), or lines such as
 * `button call@LAYER = pad:south | key:KeyF`; `players 2`, `seats arrival`, `layer helm 0 on`,
 * `part left KeyA,KeyC`, `rule call one-of=1 stays`, `limit devices 1`, and what else stands in the
 * table of words in story.c, which has moves, calls and checks, too. */
#ifndef TESTS_STORY_H
#define TESTS_STORY_H

#include "support.h"

typedef struct told_story {
    const char *name, *text;
} told_story;

/* Plays a story; where something does not come true, the test fails and prints the statement. */
void play_story(const told_story *story);

/* The test that plays a list of them. */
#define STORIES(list)                                                                              \
    TESTS(stories_come_true, COUNT_OF(list))                                                       \
    {                                                                                              \
        play_story(&(list)[_i]);                                                                   \
    }

#endif
