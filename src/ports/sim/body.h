/* The body of a simulated device: where its physical controls are, and what its signals say of it.
 */
#ifndef SIM_BODY_H
#define SIM_BODY_H

#include "nestplug/sim.h"

#define BODY_SIGNALS  160
#define BODY_CONTROLS 96
#define BODY_PARTS    7

typedef struct body {
    const nplug_sim_model *model;
    int32_t raw[BODY_SIGNALS]; /* what was said last */
    float at[BODY_CONTROLS];   /* where each row of the model's controls is */
    bool key[BODY_SIGNALS];    /* of a keyboard: which are down */
    uint32_t contacts, ends;   /* of a touch surface: how many there were */
} body;

/* What a control's name stands for in a model. */
typedef struct body_parts {
    unsigned count, components; /* count 0: there is no such control */
    uint16_t row[BODY_PARTS];   /* of the model's controls; of a key 0 */
    uint16_t signal[BODY_PARTS];
    uint32_t bounce;
    bool key, round;
} body_parts;

void body_begin(body *body, const nplug_sim_model *model);
body_parts body_find(const nplug_sim_model *model, const char *name);
nplug_vec2 body_position(const body *body, const body_parts *parts);
void body_put(body *body, const body_parts *parts, nplug_vec2 to);
void body_pose(body *body, const body_parts *parts, const nplug_pose *pose);

/* Whether a control moves without ends: a mouse, a wheel. */
bool body_is_endless(const nplug_sim_model *model, const body_parts *parts);

/* Whether a control has a stop at its rest: a trigger has, also where two share one axis. */
bool body_has_stop(const nplug_sim_model *model, const body_parts *parts);

/* What a signal says of where everything is: all controls that move it together. */
int32_t body_raw(const body *body, uint16_t signal);

/* The same of a contact that begins or ends, in its hardware's numbering; false: it is not said. */
bool body_contact(body *body, uint16_t row, int32_t *raw);

/* A place on a circle, `turns` counter-clockwise from the right. */
nplug_vec2 body_circle(float radius, float turns);

#endif
