/* What is heard otherwise: the one place where all that hangs on a control is let go and found
 * anew.
 *
 * Owns nothing.  Comes in: news of the players' room, kinds that are muted, devices that are built
 * or go.  Goes out: the same order for all: values, letting go, the change, links, covers, marks,
 * guards. */
#include "core/nest/nest.h"

void np_wake_settle(nplug_nest *nest, nplug_time time)
{
    np_nest_advance(nest, time);
    np_controls_settle(&nest->device.controls, &nest->device.devices);
    np_values_settle(&nest->action, time);
    np_controls_clean(&nest->device.controls);
}

/* What is held is held no more, and counts again only when it has been at rest. */
static void release(nplug_nest *nest, uint32_t device, uint32_t part, nplug_time time)
{
    np_controls *controls = &nest->device.controls;
    bool in_motion = np_devices_in_motion(&nest->device.devices, device, time);

    np_controls_refresh(controls, &nest->device.devices, device);
    np_controls_spend_part(controls, device, part, in_motion);
    np_sources_release(&nest->action, device, part, time);
    np_pointers_release(&nest->player, device, part, UINT32_MAX, time);
}

void np_wake_before(nplug_nest *nest, uint32_t device, uint32_t part, nplug_time time)
{
    np_wake_settle(nest, time);
    release(nest, device, part, time);
    np_marks_device(&nest->action, device);
}

void np_wake_after(nplug_nest *nest, uint32_t device, nplug_time time)
{
    np_links_sort(&nest->action, device);
    np_layers_cover_all(&nest->action, time);
    np_marks_device(&nest->action, device);
    np_devices_unguard(&nest->device.devices, device);
}

void np_wake_bound(nplug_nest *nest, uint32_t player, uint32_t action, nplug_time time)
{
    np_devices_unguard_all(&nest->device.devices);
    np_layers_cover_all(&nest->action, time);
    for (uint32_t p = 0; p <= nest->limits.players; p++)
        if (p == player || player == 0) np_marks_action(&nest->action, p, action);
}

void np_wake_pick(nplug_nest *nest)
{
    np_devices_unguard_all(&nest->device.devices);
}

/* --- what the players' room has decided ------------------------------------------------------- */

void np_wake_light(const nplug_nest *nest, uint32_t device)
{
    uint32_t hearers = np_players_of(&nest->player.players, device);
    uint32_t node = nest->device.devices.list[device].first_node;
    nplug_command lights = {0};

    if (node == NP_NONE || nest->player.players.limit < 2) return;
    lights.kind = NPLUG_COMMAND_LIGHTS;
    while (hearers > 1 && !((hearers >> lights.player) & 1u))
        lights.player++;
    np_feed_effect(&nest->feed, nest->device.devices.nodes[node].key, &lights);
}

/* Of those who hear a part, some no longer do and others begin to: where nobody stays, what the
 * part held is let go of for all. */
static void hand_over(nplug_nest *nest, const np_news *news, uint32_t leaving, uint32_t coming,
                      nplug_time time)
{
    np_wake_settle(nest, time);
    np_sources_hand_over(&nest->action, news->device, news->part, leaving << 1, coming << 1, time);
    np_pointers_release(&nest->player, news->device, news->part, leaving << 1, time);
}

static void make_all(nplug_nest *nest, uint32_t first, nplug_time time);

static void change_hearers(nplug_nest *nest, const np_news *news, nplug_time time)
{
    uint32_t was = np_players_hearers(&nest->player, news);
    uint32_t hearers = np_players_hearers_after(&nest->player, news);

    if (was & hearers) {
        hand_over(nest, news, was & ~hearers, hearers & ~was, time);
        np_marks_device(&nest->action, news->device);
    } else {
        np_wake_before(nest, news->device, news->part, time);
    }
    np_players_make(&nest->player, news);
    np_wake_after(nest, news->device, time);
    for (uint32_t p = 1; p <= nest->limits.players; p++) {
        uint32_t first = nest->player.news_count;
        np_players_tell(&nest->player, news, was, p, time);
        make_all(nest, first, time);
    }
    np_wake_light(nest, news->device);
}

static void change_device(nplug_nest *nest, const np_news *news, nplug_time time)
{
    np_wake_before(nest, news->device, NP_ALL_PARTS, time);
    np_players_make(&nest->player, news);
    np_wake_after(nest, news->device, time);
}

static void leave(nplug_nest *nest, const np_news *news, nplug_time time)
{
    for (uint32_t a = 0; a < nest->game.game.def.action_count; a++)
        np_marks_drop_kept(&nest->action, news->player, a);
    np_players_make(&nest->player, news);
    np_players_tell_leave(&nest->player, news, time);
}

static void park(nplug_nest *nest, const np_news *news)
{
    np_controls_pull(&nest->device.controls, news->control, false);
    np_devices_unguard(&nest->device.devices, news->device);
}

static void make_one(nplug_nest *nest, const np_news *news, nplug_time time)
{
    if (!np_players_is_news(&nest->player, news)) return;
    switch (news->kind) {
    case NP_NEWS_HEARERS:
        change_hearers(nest, news, time);
        break;
    case NP_NEWS_ANEW:
        hand_over(nest, news, news->leaving, news->leaving, time);
        break;
    case NP_NEWS_LEFT:
        leave(nest, news, time);
        break;
    case NP_NEWS_SETTLED:
        np_controls_make_unready(&nest->device.controls, news->device);
        break;
    case NP_NEWS_PARKED:
        park(nest, news);
        break;
    default:
        change_device(nest, news, time);
        break;
    }
}

/* News from a place on; what comes of one is made before the next. */
static void make_all(nplug_nest *nest, uint32_t first, nplug_time time)
{
    for (uint32_t i = first; i < nest->player.news_count; i++) {
        np_news news = nest->player.news[i];
        make_one(nest, &news, time);
    }
    np_player_forget_news(&nest->player, first);
}

void np_wake_players(nplug_nest *nest, nplug_time time)
{
    make_all(nest, 0, time);
    if (!nest->player.misses_otherwise) return;
    for (uint32_t i = 0; i < nest->limits.devices; i++)
        np_devices_miss(&nest->device.devices, i, np_players_missing(&nest->player, i));
    np_players_told_missing(&nest->player);
}

/* --- what is muted ---------------------------------------------------------------------------- */

/* What is not heard any more lets go of everything; what is held when it is heard again is spent.
 */
static void mute(nplug_nest *nest, nplug_time time)
{
    np_wake_settle(nest, time);
    for (uint32_t i = 0; i < nest->device.devices.count; i++) {
        uint32_t device = nest->device.devices.order[i];
        if (!np_controls_mute(&nest->device.controls, device,
                              nest->device.recogniser.of[device].kind,
                              nest->device.devices.list[device].asleep))
            continue;
        release(nest, device, NP_ALL_PARTS, time);
        np_wake_after(nest, device, time);
    }
}

bool np_wake_is_still(const nplug_nest *nest, uint32_t device)
{
    uint32_t kind = (uint32_t)nest->device.recogniser.of[device].kind;

    return nest->feed.effects.paused || nest->device.devices.list[device].asleep ||
           (nest->device.controls.deaf_kinds >> kind & 1u);
}

void np_wake_still(nplug_nest *nest)
{
    for (uint32_t i = 0; i < nest->device.devices.count; i++)
        if (np_wake_is_still(nest, nest->device.devices.order[i]))
            np_effects_stop(&nest->feed, &nest->out, nest->device.devices.order[i]);
}

void np_wake_mute(nplug_nest *nest, uint32_t kinds, nplug_time time)
{
    np_controls_mute_kinds(&nest->device.controls, kinds);
    mute(nest, time);
}

void np_wake_focus(nplug_nest *nest, bool focused, nplug_time time)
{
    np_controls_deafen_kinds(&nest->device.controls,
                             focused ? 0 : ~nest->game.game.def.unfocused_kinds);
    mute(nest, time);
    np_wake_still(nest);
}

void np_wake_sleep(nplug_nest *nest, uint32_t device, bool asleep, nplug_time time)
{
    if (!np_devices_sleep(&nest->device.devices, device, asleep)) return;
    mute(nest, time);
    np_wake_still(nest);
    np_out_event(&nest->out, time, asleep ? NPLUG_EVENT_ASLEEP : NPLUG_EVENT_AWAKE,
                 np_devices_handle(&nest->device.devices, device), NPLUG_NOBODY);
}

void np_wake_hands(nplug_nest *nest, nplug_time time)
{
    np_wake_settle(nest, time);
    np_hands_take(&nest->action, time);
    for (uint32_t i = 0; i < nest->device.devices.count; i++) {
        uint32_t device = nest->device.devices.order[i];
        if (np_kind_is_hand(nest->device.recogniser.of[device].kind))
            np_wake_after(nest, device, time);
    }
}
