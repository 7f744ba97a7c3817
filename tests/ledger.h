/* The ledger: all that random games came to, as one number each, and must come to again.  A rule of
 * a model may know nothing of a slip; the ledger sees that something is otherwise.  Where that was
 * meant,
 * ./dev golden writes the numbers anew. */
#ifndef TESTS_LEDGER_H
#define TESTS_LEDGER_H

#include "support.h"

/* From here on, rig_step mixes all that can be asked after each step. */
void ledger_begin(void);

/* The same by hand, for whoever steps without a rig. */
void ledger_note(nplug_nest *nest);

/* Holds what came out against tests/golden/ledger/NAME.txt, whose lines are a key and a number; a
 * key that is not there is not known, and `most` keys are written. */
void ledger_end(const char *name, uint32_t key, uint32_t most);

#endif
