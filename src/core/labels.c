#include "labels.h"
#include "nest.h"
#include <string.h>

void np_labels_layout(np_labels *labels, np_carve *carve, const nplug_limits *limits)
{
    labels->wanted = (uint8_t *)np_carve_take(carve, limits->devices, 1);
}

static bool is_label(nplug_control control)
{
    return NPLUG_CONTROL_CLASS(control) == NPLUG_CLASS_KEY_LABEL;
}

/* Nothing is asked where no binding names a letter. */
void np_labels_want(nplug_nest *nest, uint32_t device)
{
    bool any = false;

    for (uint32_t i = 0; !any && i < nest->game.source_count; i++)
        any = is_label(nest->game.sources[i].control);
    nest->labels.wanted[device] = any;
    nest->labels.any |= any;
}

bool np_labels_miss(const nplug_nest *nest)
{
    for (uint32_t i = 0; i < nest->game.source_count; i++)
        if (is_label(nest->game.sources[i].control) && nest->sources.of_source[i] == NP_NO_INDEX)
            return true;
    return false;
}

void np_labels_want_all(nplug_nest *nest)
{
    for (uint32_t i = 0; i < nest->devices.count; i++)
        np_labels_want(nest, nest->devices.order[i]);
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

static bool post(nplug_nest *nest, uint32_t device, nplug_control key, uint32_t label)
{
    nplug_command command = {0};

    command.kind = NPLUG_COMMAND_LABEL;
    command.device = np_devices_handle(&nest->devices, device);
    command.control = key;
    command.number = label;
    return np_queue_put(&nest->commands.posted, &command);
}

/* false where the queue has no room for all of it: it is asked again at the next step. */
static bool ask_all(nplug_nest *nest, uint32_t device)
{
    uint32_t node = nest->devices.list[device].first_node;
    np_run run = nest->controls.of_device[device];
    const np_feed_port *port;
    bool all;

    if (node == NP_NONE) return true;
    port = &nest->feed.ports[nest->devices.nodes[node].key >> 24];
    if (!port->port->key_label || nest->recogniser.of[device].kind != NPLUG_KIND_KEYBOARD)
        return true;
    all = post(nest, device, 0, 0);
    for (uint32_t i = run.first; all && i < (uint32_t)run.first + run.count; i++) {
        nplug_control key = nest->controls.list[i].id, label;
        if (NPLUG_CONTROL_CLASS(key) != NPLUG_CLASS_KEY) continue;
        label = ask(port, &nest->game, key);
        if (label) all = post(nest, device, key, label);
    }
    return all;
}

void np_labels_ask(nplug_nest *nest)
{
    bool all = true;

    if (!nest->labels.any) return;
    for (uint32_t i = 0; i < nest->devices.count; i++) {
        uint32_t device = nest->devices.order[i];
        if (!nest->labels.wanted[device]) continue;
        nest->labels.wanted[device] = !ask_all(nest, device);
        all &= !nest->labels.wanted[device];
    }
    nest->labels.any = !all;
}

/* --- taking --------------------------------------------------------------------------------- */

void np_labels_take(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_here(&nest->devices, command->device), control;
    uint32_t source = np_game_source(&nest->game, (nplug_control)command->number);

    if (device == NP_NONE) return;
    if (command->control == 0) {
        np_sources_unlabel(nest, device, time);
    } else if ((control = np_controls_find(&nest->controls, device, command->control)) != NP_NONE) {
        for (; source != NP_NO_INDEX; source = np_game_same_control(&nest->game, source))
            if (!np_sources_link_control(nest, source, control))
                np_limit_reached(nest, NPLUG_LIMIT_LINKS, time);
    }
    np_guards_empty(nest, device);
    np_layers_cover_all(nest, time);
    np_values_mark_device(nest, device);
}
