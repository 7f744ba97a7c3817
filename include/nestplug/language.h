/* Languages: what controls and gestures are called in prompts.  Part of nestplug::prompts. */
#ifndef NESTPLUG_LANGUAGE_H
#define NESTPLUG_LANGUAGE_H

#include "base.h"

#ifdef __cplusplus
extern "C" {
#endif

/* One thing's name, or one pattern.  In a pattern {0} is the control or the list of them, and {1} a
 * second one, or a number.
 *
 * Things are controls by their names ("pad:south", "key:Space"); of a hand's without the side
 * ("hand:trigger"), of what is counted without the number ("stick:button").  Patterns:
 *   "press" "release" "tap" "twice" "times" "hold" "repeat"  what is done with {0}; {1} times
 *   "chord" "list"                                           {0} with {1}; {0}, and then {1}
 *   "left" "right" "up" "down" "across" "along"              a way of {0}, or two
 *   "high" "low"                                             one end of the axis {0}
 *   "left-hand" "right-hand" "number"                        {0} of that hand; {0}, the {1}th
 *   "key"                                                    the key {0}
 *   "swipe" "pinch" "turn"                                   done on the zone {0} */
typedef struct nplug_word {
    const char *thing;
    const char *label; /* short, UTF-8; NULL: as the next language has it */
    const char *words; /* long; NULL: as the label */
} nplug_word;

/* A language: the caller's own, of a file (nplug_language_file_language), or one of those that are
 * built in. */
typedef struct nplug_language nplug_language;
struct nplug_language {
    uint32_t size;          /* sizeof(nplug_language) */
    uint32_t right_to_left; /* 1: it is written so; else 0 */
    const char *tag;        /* by BCP 47: "de", "de-AT" */
    const nplug_word *list; /* rising by `thing` as strcmp has them */
    uint32_t count;
    uint32_t reserved;           /* 0 */
    const nplug_language *other; /* where a word is missing; NULL: English */
};

/* The language that is built in for a tag, or for the longest beginning of the tag that has one:
 * "de" for "de-AT" (RFC 4647, section 3.4, "Lookup"; upper and lower case are the same).  NULL
 * where there is none: prompts take that as English. */
NPLUG_API const nplug_language *nplug_language_for(const char *tag);

/* A language that is built in by index, from 0, in the order of the tags; NULL past the end. */
NPLUG_API const nplug_language *nplug_language_at(uint32_t index);

#ifdef __cplusplus
}
#endif
#endif
