#include "hand.h"
#include <string.h>

void hand_drain(hand *h, const nplug_report *reports, size_t count)
{
    for (size_t i = 0; i < count; i++) {
        const nplug_report *report = &reports[i];
        unsigned signal = report->signal, player = report->device / 2;
        int32_t was = h->raw[report->device][signal];
        h->raw[report->device][signal] = report->data.value;
        if (signal < 8 || was == report->data.value) continue;
        if (report->data.value)
            h->edges[player][signal] += h->down[player][signal]++ == 0;
        else
            h->down[player][signal]--;
    }
}

static float stick_value(int32_t raw)
{
    return raw < 0 ? (float)raw / 32768.0f : (float)raw / 32767.0f;
}

static nplug_vec2 look_at(const hand *h, const hand_binding *binding, unsigned pad)
{
    const uint16_t *keys = binding->keys;
    nplug_vec2 value = {0.0f, 0.0f};

    if (binding->kind == BUTTON) {
        value.x = h->raw[pad][binding->x] == binding->down ? 1.0f : 0.0f;
    } else if (binding->kind == KEY) {
        value.x = h->keys[keys[0]];
    } else if (binding->kind == TRIGGER) {
        value.x = (float)h->raw[pad][binding->x] / 1023.0f;
    } else if (binding->kind == STICK) {
        value.x = stick_value(h->raw[pad][binding->x]);
        value.y = 0.0f - stick_value(h->raw[pad][binding->y]);
    } else {
        value.x = (float)(h->keys[keys[3]] - h->keys[keys[2]]);
        value.y = (float)(h->keys[keys[0]] - h->keys[keys[1]]);
    }
    return value;
}

static float strength(nplug_vec2 v)
{
    return v.x * v.x + v.y * v.y;
}

void hand_scan(hand *h)
{
    for (unsigned p = 0; p < PLAYERS; p++) {
        for (unsigned a = 0; a < ACTIONS; a++) {
            nplug_vec2 best = {0.0f, 0.0f};
            uint32_t edges = 0;
            for (unsigned b = 0; b < 3; b++) {
                const hand_binding *binding = &h->bindings[a][b];
                for (unsigned pad = 2 * p; pad < 2 * p + 2; pad++) {
                    nplug_vec2 value = look_at(h, binding, pad);
                    if (strength(value) > strength(best)) best = value;
                }
                if (binding->kind == BUTTON) edges += h->edges[p][binding->x];
                if (binding->kind == KEY) edges += h->key_edges[binding->keys[0]];
            }
            h->value[p][a] = best;
            h->held[p][a] = best.x != 0.0f;
            h->presses += edges;
        }
    }
    memset(h->edges, 0, sizeof h->edges);
    memset(h->key_edges, 0, sizeof h->key_edges);
}
