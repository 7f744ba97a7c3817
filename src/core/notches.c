#include "notches.h"
#include "nest.h"

/* Presses that one report may make: so none can fill the events up. */
#define MOST 16

bool np_notches_has(nplug_control control)
{
    return control == NPLUG_CONTROL(NPLUG_CLASS_MOUSE, NPLUG_MOUSE_WHEEL);
}

/* The whole notches by which a wheel has turned.  What is left counts on, until it turns back. */
static int32_t whole_notches(np_wire *wire, int32_t value)
{
    int64_t turned = wire->how & NP_WIRE_REVERSED ? -(int64_t)value : value, notches;

    if ((turned < 0) == (wire->low < 0)) turned += wire->low;
    notches = turned / wire->high;
    wire->low = (int32_t)(turned % wire->high);
    return (int32_t)(notches > MOST ? MOST : notches < -MOST ? -MOST : notches);
}

static uint16_t way_of(unsigned component, int32_t notches)
{
    if (component) return notches < 0 ? NPLUG_WAY_DOWN : NPLUG_WAY_UP;
    return notches < 0 ? NPLUG_WAY_LEFT : NPLUG_WAY_RIGHT;
}

static void turn_wire(nplug_nest *nest, np_wire *wire, int32_t value, nplug_time time)
{
    const np_control *control = &nest->controls.list[wire->control];
    np_change change = {time, wire->control, np_devices_handle(&nest->devices, control->device),
                        control->id, false};
    bool spent = (control->flags & NP_CONTROL_SPENT) != 0;
    int32_t notches;

    if (!np_notches_has(control->id) || (spent && !np_pick_takes(nest, control))) return;
    notches = whole_notches(wire, value);
    for (int32_t i = notches < 0 ? -notches : notches; i > 0; i--)
        if (!np_pick_notch(nest, &change, way_of(wire->component, notches)) && !spent)
            np_sources_strike(nest, &change, way_of(wire->component, notches));
}

void np_notches_turn(nplug_nest *nest, uint32_t signal, int32_t value, nplug_time time)
{
    np_run run = nest->controls.of_signal[signal];

    for (uint32_t w = run.first; w < (uint32_t)run.first + run.count; w++)
        turn_wire(nest, &nest->controls.wires[w], value, time);
}
