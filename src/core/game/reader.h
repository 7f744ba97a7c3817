/* Reading binding texts: sources, and the options after them. */
#ifndef NP_READER_H
#define NP_READER_H

#include "core/game/game.h"

#define NP_EITHER 4 /* sources of which any will do */

/* A member of a chord: any of some sources. */
typedef struct np_member {
    nplug_source any[NP_EITHER];
    unsigned count;
} np_member;

/* What texts an option may stand in. */
enum {
    NP_TEXT_BINDING = 1,
    NP_TEXT_COMFORT = 2, /* of one action or of all */
    NP_TEXT_OF_ALL = 4   /* comfort for all actions */
};

/* What is read for one another. */
enum { NP_SWAP_STICKS = 1, NP_SWAP_CONFIRM = 2 };

/* What a text of comfort says beyond shaping. */
typedef struct np_wish {
    float toggle, sticky; /* 0 or 1 */
    float swap_sticks, swap_confirm;
    float lasts, again; /* milliseconds */
    float waits, rumble;
} np_wish;

/* Where in a game the reader stands, and what stopped it. */
typedef struct np_reader {
    const np_out *out;       /* whose log hears of errors; or NULL */
    np_game *game;           /* where bindings are kept; or NULL */
    const nplug_game *named; /* whose zones may be named; or NULL */
    nplug_on_binding each;   /* hears them; or NULL */
    void *user;
    nplug_binding_error *error; /* or NULL */
    const nplug_action_def *action;
    uint32_t number;      /* the action's */
    uint32_t place;       /* of the binding in the text */
    uint32_t column;      /* at which it begins */
    uint32_t players;     /* whose bindings they are */
    const char *text;     /* all of it, for columns */
    const char *at, *end; /* of the binding that is being read */
    uint32_t kept;        /* the place of the binding that was kept last */
    nplug_result result;  /* why it stopped */
    np_member with[NP_CHORD - 1];
    unsigned with_count;
    nplug_source driving[4]; /* of one control, the first; of keys, all */
    unsigned driving_count;
    np_member last; /* of one control: any of these drives */
    np_binding binding;
    uint32_t swaps;  /* the left stick is the right one */
    uint32_t wanted; /* which options: NP_TEXT_ bits */
    np_wish wish;
    np_shaping shaping;
    np_filter filter;
    uint8_t confirm; /* which of south and east confirms, of the binding that is kept */
    uint8_t main;    /* which hand is the dominant one (an nplug_device_kind), likewise */
} np_reader;

/* Reads the bindings of one action from a text; false where one is wrong (it is in the log, and in
 * `result`), or where there is no room for them. */
bool np_action_read(np_reader *in, const char *text);

/* Says what is wrong: `action "steer", column 12: WHAT`; where it concerns one word, names it.
 * Always false. */
bool np_reader_fail(np_reader *in, const char *what, const char *word, size_t length);
bool np_reader_fail_here(np_reader *in, const char *what);

/* The control that a name stands for on pads that confirm by `confirm`, and of hands of which
 * `main` is the dominant one; the filter is such pads' or hands' where the name depends on that,
 * and otherwise no longer. */
nplug_source np_reader_resolved(np_reader *in, nplug_source named);

/* Whether a name stands for another control by what a sheet says confirms. */
bool np_reader_is_of_sheet(nplug_source named);

/* Whether it stands for one of either hand, by which is the dominant one. */
bool np_reader_is_of_hand(nplug_source named);

void np_reader_skip_blanks(np_reader *in);

/* A number such as 12 or 0.25; false where none stands here (options.c). */
bool np_number_read(np_reader *in, float *number);

/* One option after a source, such as "hold=600" or "dead=0.1" (options.c). */
bool np_option_read(np_reader *in);

/* Keeps a binding that was read, with its sources and its shaping (bindings.c); false where there
 * is no room. */
bool np_game_keep(np_reader *in);

/* A place ran out. */
bool np_reader_fail_limit(np_reader *in, const char *limit);

#endif
