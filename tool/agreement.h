/* How well every simulated model's normalised values agree with where its controls physically are.
 */
#ifndef TOOL_AGREEMENT_H
#define TOOL_AGREEMENT_H

#include "tool.h"

/* One motion of one control of one model. */
typedef struct agreement_row {
    const char *model, *motion, *control;
    double worst; /* the largest difference from the truth, noise included */
    double step;  /* one quantisation step of the hardware */
    bool rest_exact, ends_exact;
} agreement_row;

/* Hears a row. */
typedef void (*agreement_hear)(void *user, const agreement_row *row);

/* Makes all motions on all models; false where a row is out of its step or not exact. */
bool agreement_measure(agreement_hear hear, void *user);

#endif
