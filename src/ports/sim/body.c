#include "body.h"
#include <stdio.h>
#include <string.h>

void body_begin(body *body, const nplug_sim_model *model)
{
    memset(body, 0, sizeof *body);
    body->model = model;
    for (uint16_t i = 0; i < model->signal_count; i++)
        body->raw[i] = model->signals[i].rest;
    for (uint16_t i = 0; i < model->control_count; i++)
        if (model->controls[i].component == 6) body->at[i] = 1.0f; /* not turned */
}

/* A key's signal, by the W3C code of the key at that place. */
static body_parts find_key(const nplug_sim_model *model, const char *name)
{
    body_parts parts = {0};
    char full[NPLUG_SIM_NAME_SIZE + 8];
    nplug_control key;

    snprintf(full, sizeof full, "%s:%s", model->key_class, name);
    key = nplug_control_named(full);
    for (uint16_t i = 0; key && i < model->signal_count; i++) {
        if ((model->signals[i].code & 0xffffu) != NPLUG_CONTROL_INDEX(key)) continue;
        parts.count = parts.components = 1;
        parts.signal[0] = i;
        parts.key = true;
        break;
    }
    return parts;
}

body_parts body_find(const nplug_sim_model *model, const char *name)
{
    body_parts parts = {0};

    if (model->key_class) return find_key(model, name);
    for (uint16_t i = 0; parts.count < BODY_PARTS && i < model->control_count; i++) {
        const nplug_sim_control *control = &model->controls[i];
        if (strcmp(control->name, name) != 0) continue;
        parts.row[parts.count] = i;
        parts.signal[parts.count++] = control->signal;
        parts.bounce = control->bounce_us;
        parts.round = control->round != 0;
    }
    parts.components = parts.round ? 2 : parts.count;
    /* A round hat's two ways are two rows of one signal. */
    if (parts.round) parts.count = 1;
    return parts;
}

nplug_vec2 body_position(const body *body, const body_parts *parts)
{
    nplug_vec2 at = {0.0f, 0.0f};

    if (parts->count == 0) return at;
    if (parts->key) {
        at.x = body->key[parts->signal[0]] ? 1.0f : 0.0f;
        return at;
    }
    at.x = body->at[parts->row[0]];
    if (parts->components == 2) at.y = body->at[parts->row[0] + 1];
    return at;
}

void body_put(body *body, const body_parts *parts, nplug_vec2 to)
{
    if (parts->key) {
        body->key[parts->signal[0]] = to.x >= 0.5f;
        return;
    }
    body->at[parts->row[0]] = to.x;
    if (parts->components == 2) body->at[parts->row[0] + 1] = to.y;
}

void body_pose(body *body, const body_parts *parts, const nplug_pose *pose)
{
    for (unsigned i = 0; i < 3; i++)
        body->at[parts->row[i]] = pose->position[i];
    for (unsigned i = 0; i < 4; i++)
        body->at[parts->row[3 + i]] = pose->orientation[i];
}

bool body_is_endless(const nplug_sim_model *model, const body_parts *parts)
{
    return parts->count && model->signals[parts->signal[0]].nature == NPLUG_NATURE_DELTA;
}

bool body_has_stop(const nplug_sim_model *model, const body_parts *parts)
{
    const nplug_sim_control *row;

    if (parts->key || parts->components != 1) return parts->key;
    row = &model->controls[parts->row[0]];
    if (model->signals[row->signal].rest == row->low) return true;
    for (uint16_t i = 0; i < model->control_count; i++)
        if (i != parts->row[0] && model->controls[i].signal == row->signal) return true;
    return false;
}

/* Eight places clockwise from up; what is nearer to the middle than to a side is none. */
static int32_t round_raw(const nplug_sim_control *control, float x, float y, int32_t rest)
{
    static const int8_t places[3][3] = {{5, 4, 3}, {6, -1, 2}, {7, 0, 1}};
    int column = x > 0.4f ? 2 : x < -0.4f ? 0 : 1, row = y > 0.4f ? 2 : y < -0.4f ? 0 : 1;
    int8_t at = places[row][column];

    return at < 0 ? rest : control->low + at;
}

static double way(const nplug_sim_control *control, int32_t rest, float at)
{
    return (at < 0 ? (double)rest - control->low : (double)control->high - rest) * (double)at;
}

int32_t body_raw(const body *body, uint16_t signal)
{
    const nplug_sim_signal *about = &body->model->signals[signal];
    double raw = about->rest;

    if (body->model->key_class) return body->key[signal];
    for (uint16_t i = 0; i < body->model->control_count; i++) {
        const nplug_sim_control *control = &body->model->controls[i];
        if (control->signal != signal) continue;
        if (control->round) return round_raw(control, body->at[i], body->at[i + 1], about->rest);
        raw += way(control, about->rest, body->at[i]);
    }
    if (raw > 2147483647.0) raw = 2147483647.0;
    if (raw < -2147483648.0) raw = -2147483648.0;
    return (int32_t)(raw < 0 ? raw - 0.5 : raw + 0.5);
}

bool body_contact(body *body, uint16_t row, int32_t *raw)
{
    const nplug_sim_control *control = &body->model->controls[row];
    bool begins = body->at[row] > 0.0f;

    if (begins && control->ids) *raw = (int32_t)(body->contacts++ % control->ids);
    return begins || !control->lost || ++body->ends % control->lost;
}

/* A quarter at a time, by the half-angle formulas: exact on every machine. */
nplug_vec2 body_circle(float radius, float turns)
{
    uint32_t quarter = (uint32_t)(4.0f * turns);
    float t = 4.0f * turns - (float)quarter;
    float c = (1.0f - t * t) / (1.0f + t * t), s = 2.0f * t / (1.0f + t * t);
    nplug_vec2 at[4] = {{c, s}, {-s, c}, {-c, -s}, {s, -c}};
    nplug_vec2 on = at[quarter & 3u];

    on.x *= radius;
    on.y *= radius;
    return on;
}
