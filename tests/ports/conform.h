/* What every port must keep to, whatever its hardware: run against each port that can be told what
 * its hardware does.  A new port joins by a row in somebody's `conform_subjects`. */
#ifndef TESTS_CONFORM_H
#define TESTS_CONFORM_H

#include "nestplug/nestplug.h"
#include "listed.h"

/* What a subject's hardware must drive. */
enum { CONFORM_STEER, CONFORM_HORN, CONFORM_ACTIONS };

/* A port under test, and how to play its hardware: a stick and a button. */
typedef struct subject {
    const char *name;
    const nplug_port *(*open)(struct subject *s);
    void (*plug)(struct subject *s);
    void (*press)(struct subject *s, bool down);
    void (*diagonal)(struct subject *s, float to);
    void (*unplug)(struct subject *s); /* NULL: it is there as long as the port */
    void (*close)(struct subject *s);
    uint32_t number;  /* the port's own number of the device that is played */
    uint32_t beside;  /* devices that are here as well, and stay when that one is unplugged */
    bool polled;      /* what it says between two steps is lost: the hardware is asked */
    nplug_nest *nest; /* set by the tests */
    void *self;       /* set by open: the port's, and whatever plays it */
    void *hardware;
} subject;

extern const subject conform_subjects[];
extern const int conform_subject_count;

/* Of the game that is played, the bindings of its two actions. */
extern const char *const conform_bindings[CONFORM_ACTIONS];
extern const nplug_zone_def *const conform_zones; /* NULL: none */
extern const uint32_t conform_zone_count;

#endif
