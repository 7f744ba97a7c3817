/* Notches: by how much a mouse's wheel has turned.
 *
 * Owns what a wheel's wires have turned since the last notch.  Comes in: deltas.  Goes out:
 * presses, one for each notch. */
#include "core/device/device.h"

/* Presses that one report may make: so none can fill the events up. */
#define MOST 16

bool np_notches_has(nplug_control control)
{
    return control == NPLUG_CONTROL(NPLUG_CLASS_MOUSE, NPLUG_MOUSE_WHEEL) ||
           (NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_ZONE &&
            (NPLUG_CONTROL_INDEX(control) & 7u) == NP_ZONE_SWIPE);
}

int32_t np_notches_turn(np_controls *controls, uint32_t index, int32_t value)
{
    np_wire *wire = &controls->wires[index];
    int64_t turned = wire->how & NP_WIRE_REVERSED ? -(int64_t)value : value, notches;

    if ((turned < 0) == (wire->low < 0)) turned += wire->low;
    notches = turned / wire->high;
    wire->low = (int32_t)(turned % wire->high);
    return (int32_t)(notches > MOST ? MOST : notches < -MOST ? -MOST : notches);
}

uint16_t np_notches_way(const np_wire *wire, int32_t notches)
{
    if (wire->component) return notches < 0 ? NPLUG_WAY_DOWN : NPLUG_WAY_UP;
    return notches < 0 ? NPLUG_WAY_LEFT : NPLUG_WAY_RIGHT;
}
