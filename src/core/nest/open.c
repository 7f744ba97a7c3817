/* Opening and shutting a nest.
 *
 * Owns the struct of the whole, as it is laid out.  Comes in: limits and a block.  Goes out: a nest
 * whose rooms see those below them. */
#include "core/nest/nest.h"
#include <string.h>

static void lay_out(nplug_nest *nest, np_arena *arena, const nplug_limits *limits)
{
    np_feed_layout(&nest->feed, arena, limits);
    np_device_layout(&nest->device, arena, limits);
    np_game_room_layout(&nest->game, arena, limits);
    np_player_layout(&nest->player, arena, limits);
    np_action_layout(&nest->action, arena, limits);
    np_out_layout(&nest->out, arena, limits);
    np_queue_layout(&nest->posted, arena, limits->commands);
    np_record_layout(&nest->recorder, arena, limits->records);
}

/* Each room sees those below it, and none above. */
static void join_rooms(nplug_nest *nest)
{
    nest->device.out = &nest->out;
    nest->game.out = &nest->out;
    nest->game.limits = &nest->limits;
    nest->player.out = &nest->out;
    nest->player.limits = &nest->limits;
    nest->player.controls = &nest->device.controls;
    nest->player.devices = &nest->device.devices;
    nest->player.device = &nest->device;
    nest->player.recogniser = &nest->device.recogniser;
    nest->player.game = &nest->game.game;
    nest->action.out = &nest->out;
    nest->action.limits = &nest->limits;
    nest->action.controls = &nest->device.controls;
    nest->action.devices = &nest->device.devices;
    nest->action.recogniser = &nest->device.recogniser;
    nest->action.game = &nest->game.game;
    nest->action.asked = &nest->game;
    nest->action.players = &nest->player.players;
    nest->action.contacts = &nest->device.contacts;
}

/* Between what each limit must be, in their order; what has an index of 16 bits ends before that.
 */
static const uint32_t possible[][2] = {
    {1, 4095},  /* devices */
    {1, 16000}, /* nodes */
    {1, 65535}, /* signals */
    {1, 50000}, /* controls */
    {1, 60000}, /* links */
    {1, NPLUG_PLAYERS_MAX},
    {1, 60000},    /* actions */
    {1, 16000},    /* bindings */
    {1, 60000},    /* sources */
    {16, 1000000}, /* events */
    {1, 60000},    /* timers */
    {4, 60000},    /* commands */
    {1, NP_FEED_PORTS},
    {64, 1u << 24}, /* ring_slots */
    {1, 60000},     /* shapings */
    {1, 60000},     /* ramps */
    {1, 60000},     /* gestures */
    {1, 1u << 24},  /* text */
    {1, 60000},     /* matches */
    {0, 100000000}, /* records */
    {0, 60000},     /* zones */
    {0, 4096},      /* contacts */
};

/* The caller's limits as this version has them; false where they are impossible. */
static bool take_limits(const nplug_limits *from, nplug_limits *limits)
{
    const uint32_t *limit = &limits->devices;
    bool good;

    *limits = nplug_limits_default();
    if (!from) return true;
    good = np_size_take(limits, sizeof *limits, from, NP_FIRST(nplug_limits, contacts)) &&
           (limits->ring_slots & (limits->ring_slots - 1)) == 0;
    for (size_t i = 0; good && i < sizeof possible / sizeof *possible; i++)
        good = limit[i] >= possible[i][0] && limit[i] <= possible[i][1];
    return good;
}

/* How many bytes a nest with possible limits needs. */
static size_t measure(const nplug_limits *limits)
{
    np_arena arena = {NULL, 0};
    nplug_nest measured;

    np_arena_take(&arena, 1, sizeof(nplug_nest));
    memset(&measured, 0, sizeof measured);
    lay_out(&measured, &arena, limits);
    return arena.used;
}

size_t nplug_memory_needed(const nplug_limits *from)
{
    nplug_limits limits;

    return from && take_limits(from, &limits) ? measure(&limits) : 0;
}

static nplug_result furnish(nplug_nest *nest, np_arena *arena, const nplug_setup *setup)
{
    uint32_t sheets;
    const nplug_sheet *builtin = nplug_builtin_sheets(&sheets);

    nest->out.log = setup->log;
    nest->out.log_user = setup->log_user;
    nest->free_block = setup->free_block;
    nest->recorder.all_keys = setup->record_all_keys;
    np_calibrate_begin(&nest->device.calibrations, setup->follow_rest);
    join_rooms(nest);
    lay_out(nest, arena, &nest->limits);
    return np_recognise_add(&nest->device.recogniser, builtin, sheets);
}

nplug_result nplug_open(const nplug_setup *from, void *block, size_t size, nplug_nest **out)
{
    np_arena arena = {(unsigned char *)block, 0};
    nplug_setup setup = nplug_setup_default();
    nplug_limits limits;
    nplug_nest *nest;

    if (!out) return NPLUG_ERR_ARGUMENT;
    *out = NULL;
    if (!from || !block || (uintptr_t)block % NP_ALIGN != 0) return NPLUG_ERR_ARGUMENT;
    if (!np_size_take(&setup, sizeof setup, from, NP_FIRST(nplug_setup, free_block)))
        return NPLUG_ERR_SIZE;
    if (!take_limits(setup.limits, &limits)) return NPLUG_ERR_ARGUMENT;
    if (size < measure(&limits)) return NPLUG_ERR_SIZE;
    nest = (nplug_nest *)np_arena_take(&arena, 1, sizeof(nplug_nest));
    nest->limits = limits;
    if (furnish(nest, &arena, &setup) != NPLUG_OK) return NPLUG_ERR_FULL;
    *out = nest;
    return NPLUG_OK;
}

void nplug_close(nplug_nest *nest)
{
    if (!nest) return;
    np_effects_pause(&nest->feed, true);
    np_wake_still(nest);
    np_feed_stop(&nest->feed);
    if (nest->free_block) nest->free_block(nest);
}
