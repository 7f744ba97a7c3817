/* The names of sources: controls, and parts of them. */
#include "nestplug/bind.h"
#include "core/base/base.h"

/* The word after the '.', or NULL for the whole control. */
static const char *way_name(nplug_source source)
{
    static const char *const two[] = {NULL, "x", "y", "right", "left", "up", "down"};
    unsigned components = 1;

    nplug_control_nature(source.control, &components);
    if (source.way > NPLUG_WAY_DOWN) return NULL;
    if (components == 1 && source.way == NPLUG_WAY_RIGHT) return "high";
    if (components == 1 && source.way == NPLUG_WAY_LEFT) return "low";
    return two[source.way];
}

size_t nplug_source_name(nplug_source source, char *buffer, size_t size)
{
    char control[64];
    np_text text = np_text_in(buffer, buffer ? size : 0);

    if (nplug_control_name(source.control, control, sizeof control) == 0) return 0;
    np_text_add(&text, control);
    if (way_name(source)) {
        np_text_add(&text, ".");
        np_text_add(&text, way_name(source));
    }
    return text.length;
}
