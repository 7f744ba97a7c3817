/* Learning: a sheet for a device that nobody knows, made by asking for each control in turn.  It
 * only looks at the nest, so a game goes on as it does; the result is a sheet like any other.
 */
#ifndef NESTPLUG_LEARN_H
#define NESTPLUG_LEARN_H

#include "device.h"
#include "sheet.h"

#ifdef __cplusplus
extern "C" {
#endif

/* A learner. */
typedef struct nplug_learner nplug_learner;

/* The phases of learning: the thing for which a learner waits. */
typedef enum nplug_learn_phase {
    NPLUG_LEARN_PHASE_LOOSEN =
        0, /* move every stick, trigger and lever all its way once, then let go */
    NPLUG_LEARN_PHASE_REST = 1, /* touch nothing for a second */
    NPLUG_LEARN_PHASE_MOVE = 2, /* press the control, or push it to the right, up, away or full */
    NPLUG_LEARN_PHASE_BACK = 3, /* it was seen: let go of it */
    NPLUG_LEARN_PHASE_DONE = 4, /* the sheet is there */
    NPLUG_LEARN_PHASE_GONE = 5  /* the device has gone */
} nplug_learn_phase;

/* The question of this moment. */
typedef struct nplug_learn_question {
    uint32_t size;         /* sizeof(nplug_learn_question), set by the caller */
    uint32_t phase;        /* an nplug_learn_phase */
    uint32_t component;    /* 0: right (or press, pull, full), 1: up */
    uint32_t number, of;   /* which question it is, from 1, and of how many */
    nplug_control control; /* of MOVE and BACK */
    nplug_control taken;   /* the signal that moved belongs to this control already, and was not
                              taken; else 0 */
} nplug_learn_question;

/* Bytes that a learner needs. */
NPLUG_API size_t nplug_learner_memory_needed(void);

/* Begins to learn a device as one of a kind (pad, stick, wheel or mouse; other kinds are known by
 * their codes) in the caller's block, aligned as malloc's.  NULL: no such device, a device with
 * more than 256 signals, another kind, or a block too small. */
NPLUG_API nplug_learner *nplug_learner_open(const nplug_nest *nest, nplug_device device,
                                            nplug_device_kind kind, void *block, size_t size);

/* Looks at the device's signals; to be called after each nplug_step.  Returns the phase. */
NPLUG_API nplug_learn_phase nplug_learner_step(nplug_learner *learner, const nplug_nest *nest);

/* Fills *question with the question of this moment. NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_learner_info(const nplug_learner *learner,
                                          nplug_learn_question *question);

/* Leaves a control out, or ends the loosening. */
NPLUG_API void nplug_learner_skip(nplug_learner *learner);

/* Takes the last answer back and asks for it again. */
NPLUG_API void nplug_learner_undo(nplug_learner *learner);

/* The sheet: NULL until all was asked for.  A control of which only one number was learnt is left
 * out.  The sheet and its texts are the learner's, valid as long as its block.  The sheet's rule is
 * the device's bus, vendor and product. */
NPLUG_API const nplug_sheet *nplug_learner_sheet(const nplug_learner *learner);

/* The word for a number of an nplug_learn_phase: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_learn_phase_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
