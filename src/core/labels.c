#include "labels.h"
#include "nest.h"
#include <string.h>

static bool is_label(nplug_control control)
{
    return NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_KEY_LABEL;
}

/* Nothing is asked where no binding names a letter. */
static bool any_is_named(const np_game *game)
{
    bool any = false;

    for (uint32_t i = 0; !any && i < game->source_count; i++)
        any = is_label(game->sources[i].control);
    return any;
}

bool np_labels_miss(const nplug_nest *nest)
{
    for (uint32_t i = 0; i < nest->game.source_count; i++)
        if (is_label(nest->game.sources[i].control) && nest->sources.of_source[i] == NP_NO_INDEX)
            return true;
    return false;
}

/* --- taking --------------------------------------------------------------------------------- */

/* The key that a report is about drives whatever names its letter, too. */
static void link_label(nplug_nest *nest, uint32_t device, const nplug_report *report,
                       nplug_time time)
{
    nplug_control label = NPLUG_CONTROL(NPLUG_CLASS_KEY_LABEL, report->as.value & 1023);
    uint32_t source = np_game_source(&nest->game, label), control;

    control = np_controls_find(&nest->controls, device,
                               NPLUG_CONTROL(NPLUG_CLASS_KEY, report->signal & 1023u));
    for (; control != NP_NONE && source != NP_NO_INDEX;
         source = np_game_same_control(&nest->game, source))
        if (!np_sources_link_control(nest, source, control))
            np_limit_reached(nest, NPLUG_LIMIT_LINKS, time);
}

void np_labels_take(nplug_nest *nest, uint32_t device, const nplug_report *report, nplug_time time)
{
    if (report->signal == 0)
        np_sources_unlabel(nest, device, time);
    else
        link_label(nest, device, report, time);
    np_guards_empty(nest, device);
    np_layers_cover_all(nest, time);
    np_values_mark_device(nest, device);
}

/* --- asking --------------------------------------------------------------------------------- */

/* What is printed on a key, as a control of a binding; 0 where no binding names it. */
static nplug_control ask(const np_feed_port *port, const np_game *game, nplug_control key)
{
    char name[32] = "key-label:";
    size_t head = strlen(name), length;
    nplug_control label;

    length = port->port->key_label(port->self, (uint16_t)NPLUG_CONTROL_PLACE(key), name + head,
                                   sizeof name - head);
    if (length == 0 || length > 2) return 0;
    label = nplug_control_from_name(name, head + length);
    return label && np_game_source(game, label) != NP_NO_INDEX ? label : 0;
}

static void say(nplug_nest *nest, uint32_t device, nplug_control key, nplug_control label,
                nplug_time time)
{
    uint32_t node = nest->devices.nodes[nest->devices.list[device].first_node].key;
    nplug_report report = {0};

    report.time = time;
    report.device = node & NP_RING_FOLDED_MAX;
    report.kind = NPLUG_REPORT_LABEL;
    report.signal = (uint16_t)NPLUG_CONTROL_PLACE(key);
    report.as.value = (int32_t)NPLUG_CONTROL_PLACE(label);
    if (nest->recorder.size) np_record_report(nest, node >> 24, &report, NP_NONE);
    np_labels_take(nest, device, &report, time);
}

void np_labels_ask(nplug_nest *nest, uint32_t device, nplug_time time)
{
    uint32_t node = nest->devices.list[device].first_node;
    np_run run = nest->controls.of_device[device];
    const np_feed_port *port;

    if (node == NP_NONE || !any_is_named(&nest->game)) return;
    port = &nest->feed.ports[nest->devices.nodes[node].key >> 24];
    if (!port->port->key_label || nest->recogniser.of[device].kind != NPLUG_KIND_KEYBOARD) return;
    say(nest, device, 0, 0, time);
    for (uint32_t i = run.first; i < (uint32_t)run.first + run.count; i++) {
        nplug_control key = nest->controls.list[i].id, label;
        if (NPLUG_CONTROL_CLASS(key) != NPLUG_CLASS_KEY) continue;
        label = ask(port, &nest->game, key);
        if (label) say(nest, device, key, label, time);
    }
}

void np_labels_ask_all(nplug_nest *nest, nplug_time time)
{
    for (uint32_t i = 0; i < nest->devices.count; i++)
        np_labels_ask(nest, nest->devices.order[i], time);
}
