/* Commands: which room each is for.
 *
 * Owns nothing but the queue of what was posted.  Comes in: what the game posted, what rooms put
 * into the outbox.  Goes out: calls of rooms, in order. */
#include "core/nest/nest.h"
#include "nestplug/calibrate.h"

/* The node that makes a device what it is, by its port's number; NP_NONE where it has none. */
static uint32_t chief_of(const nplug_nest *nest, uint32_t device)
{
    if (device == NP_NONE || nest->device.devices.list[device].first_node == NP_NONE)
        return NP_NONE;
    return nest->device.devices.nodes[nest->device.recogniser.of[device].chief].key;
}

/* How strongly a device may rumble: as whoever hears it wants it least. */
static float rumble_of(const nplug_nest *nest, uint32_t device)
{
    uint32_t hearers = np_players_of(&nest->player.players, device);
    float rumble = 1.0f;

    for (; hearers; hearers = np_bits_rest(hearers)) {
        float wanted = nest->game.comforts.ease[np_bits_lowest(hearers)].rumble;
        if (wanted < rumble) rumble = wanted;
    }
    return rumble;
}

static void rumble(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    uint32_t device = np_devices_here(&nest->device.devices, command->device);
    uint32_t key = chief_of(nest, device);
    np_effect effect = {key, (uint16_t)device, (uint16_t)command->number, 0, 0};
    float by;

    if (key == NP_NONE || (command->number && np_wake_is_still(nest, device))) return;
    by = rumble_of(nest, device);
    effect.strong = (uint16_t)((float)command->strong * by);
    effect.weak = (uint16_t)((float)command->weak * by);
    if (command->strong == 0 && command->weak == 0 && !command->on) effect.ms = 0;
    np_effects_ask(&nest->feed, &nest->out, &effect, command->on != 0, time);
}

static void pause_rumble(nplug_nest *nest, bool on)
{
    np_effects_pause(&nest->feed, on);
    np_wake_still(nest);
}

static void show_player(nplug_nest *nest, const nplug_command *command)
{
    uint32_t key = chief_of(nest, np_devices_here(&nest->device.devices, command->device));

    if (key != NP_NONE) np_feed_effect(&nest->feed, key, command);
}

static void tell_clocks(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    np_out_event(&nest->out, time, NPLUG_EVENT_CLOCKS, 0, 0)->port = (uint8_t)command->number;
    np_out_line(&nest->out,
                "the clocks disagree: a port's reports are over a second ahead of nplug_step");
}

static void swap(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    np_players_swap(&nest->player, command);
    np_wake_players(nest, time);
    np_rebind_swap(nest, command->player, command->number, time);
    np_players_tell_swap(&nest->player, command, time);
}

/* From now on nobody hears a device; or it is as if that had just come. */
static void ignore(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    const np_devices *devices = &nest->device.devices;
    uint32_t device = np_devices_here(devices, command->device);

    if (!np_players_ignore(&nest->player, command)) return;
    np_wake_players(nest, time);
    if (!command->on)
        np_hotplug_arrive(nest, device,
                          np_reconnect_as(devices, &devices->list[device].who, device), time);
}

/* Commands about players; false for all others. */
static bool apply_to_players(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    switch (command->kind) {
    case NPLUG_COMMAND_CLAIM:
        np_players_claim(&nest->player, command, time);
        break;
    case NPLUG_COMMAND_UNCLAIM:
        np_players_unclaim(&nest->player, command);
        break;
    case NPLUG_COMMAND_LEAVE:
        np_players_leave(&nest->player, command->player, 0);
        break;
    case NPLUG_COMMAND_SWAP:
        swap(nest, command, time);
        break;
    case NPLUG_COMMAND_FOLLOW:
        np_active_follow(&nest->player, command, np_rebind_take_text(&nest->game.rebinds), time);
        break;
    case NPLUG_COMMAND_ACTIVE:
        np_active_take(&nest->player, command, time);
        break;
    case NPLUG_COMMAND_JOIN:
        np_players_join(&nest->player, command, time);
        break;
    case NPLUG_COMMAND_DOMINANT:
        np_players_set_main(&nest->player, command);
        np_wake_hands(nest, time);
        break;
    default:
        return false;
    }
    return true;
}

static void apply_to_rest(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    switch (command->kind) {
    case NPLUG_COMMAND_LAYER:
        np_layers_switch(&nest->action, command, time);
        break;
    case NPLUG_COMMAND_TEXT:
        np_rebind_add_piece(&nest->game.rebinds, command);
        break;
    case NPLUG_COMMAND_BIND:
        np_rebind_take(nest, command, time);
        break;
    case NPLUG_COMMAND_MUTE:
        np_wake_mute(nest, command->number, time);
        break;
    case NPLUG_COMMAND_COMFORT:
        np_rebind_comfort(nest, command, time);
        break;
    case NPLUG_COMMAND_PICK:
        np_pick_take(&nest->action, command, time);
        np_wake_pick(nest);
        break;
    case NPLUG_COMMAND_PICK_END:
        np_pick_stop(&nest->action, NPLUG_EVENT_FLAG_CANCELLED, time);
        np_wake_pick(nest);
        break;
    case NPLUG_COMMAND_IGNORE:
        ignore(nest, command, time);
        break;
    case NPLUG_COMMAND_SURFACE:
        np_touch_resize(nest, command, time);
        break;
    case NPLUG_COMMAND_ZONE:
        np_zones_wish(&nest->action.zones, command);
        break;
    case NPLUG_COMMAND_CALIBRATE:
        np_calibrate_take(&nest->device, command, time);
        break;
    case NPLUG_COMMAND_RUMBLE:
        rumble(nest, command, time);
        break;
    case NPLUG_COMMAND_PAUSE_RUMBLE:
        pause_rumble(nest, command->on != 0);
        break;
    case NPLUG_COMMAND_LIGHTS:
        show_player(nest, command);
        break;
    case NPLUG_COMMAND_CLOCKS:
        tell_clocks(nest, command, time);
        break;
    default:
        break;
    }
}

static void apply(nplug_nest *nest, const nplug_command *command, nplug_time time)
{
    np_nest_note_change(nest);
    if (!apply_to_players(nest, command, time)) apply_to_rest(nest, command, time);
    np_wake_players(nest, time);
}

void np_commands_empty_outbox(nplug_nest *nest, nplug_time time)
{
    nplug_command command;

    while (np_queue_take(&nest->out.outbox, &command))
        apply(nest, &command, time);
}

bool np_commands_take(nplug_nest *nest)
{
    nplug_command command;

    while (np_out_has_room(&nest->out)) {
        if (!np_queue_take(&nest->posted, &command)) return true;
        np_record_command(nest, &command);
        apply(nest, &command, nest->feed.processed);
        np_commands_empty_outbox(nest, nest->feed.processed);
    }
    return false;
}
