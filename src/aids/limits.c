/* Which limits fit a game: as many of everything as its bindings need, and again for each player
 * who binds and shapes all of it otherwise. */
#include "nestplug/action.h"
#include "nestplug/bind.h"
#include "nestplug/nest.h"
#include "nestplug/player.h"
#include <string.h>

/* Touch surfaces at once that have all zones of the game. */
#define SURFACES 2u

/* What texts of bindings need, all together. */
typedef struct needs {
    uint32_t bindings, sources, shapings, ramps, gestures, text;
    uint32_t pressed;           /* actions of which some binding is a gesture */
    uint32_t most;              /* bindings of one action, and one more */
    const nplug_action_def *of; /* the action that is being read */
} needs;

static uint32_t larger(uint32_t a, uint32_t b)
{
    return a > b ? a : b;
}

static uint32_t smaller(uint32_t a, uint32_t b)
{
    return a < b ? a : b;
}

/* Whether a word stands in one binding of a text, from its column up to the next one. */
static bool says(const char *from, uint32_t column, const char *word)
{
    const char *at = from + column - 1, *end = strchr(at, '|');
    const char *found = strstr(at, word);

    return found && (!end || found < end);
}

/* Whether a control stands for two, of which a device decides: each is a binding then. */
static bool is_two(nplug_control control)
{
    unsigned class_ = NPLUG_CONTROL_CLASS(control);

    return class_ == NPLUG_CLASS_HAND_MAIN || class_ == NPLUG_CLASS_HAND_OFF ||
           control == NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_CONFIRM) ||
           control == NPLUG_CONTROL(NPLUG_CLASS_PAD, NPLUG_PAD_CANCEL);
}

static uint32_t times_of(const nplug_binding *binding)
{
    bool two = false;

    for (uint32_t i = 0; i < binding->driving_count; i++)
        two |= is_two(binding->driving[i].control);
    for (uint32_t i = 0; i < binding->held_count; i++)
        two |= is_two(binding->held[i].control);
    return two ? 2 : 1;
}

static void add_binding(void *user, const nplug_binding *binding)
{
    needs *sum = (needs *)user;
    const char *from = sum->of->bindings;
    uint32_t times = times_of(binding);

    sum->bindings += times;
    sum->sources += times * (binding->held_count + binding->driving_count);
    sum->shapings += says(from, binding->column, "=");
    if (binding->gesture != NPLUG_GESTURE_PRESS) sum->gestures += times * binding->driving_count;
    if (says(from, binding->column, "rise=") || says(from, binding->column, "fall="))
        sum->ramps += times * binding->driving_count;
}

static needs needs_of(const nplug_game *game)
{
    needs sum = {0};
    needs before;

    for (uint32_t a = 0; a < game->action_count; a++) {
        const char *at = (const char *)game->actions + (size_t)a * game->action_size;
        sum.of = (const nplug_action_def *)(const void *)at;
        if (!sum.of->bindings) continue;
        before = sum;
        nplug_game_read_bindings(game, (nplug_action_kind)sum.of->kind, sum.of->bindings,
                                 add_binding, &sum, NULL);
        sum.pressed += sum.gestures != before.gestures;
        sum.most = larger(sum.most, sum.bindings - before.bindings + 1);
        sum.text += (uint32_t)strlen(sum.of->bindings);
    }
    return sum;
}

/* The game's own, and for each player as much again and one more for each of some actions. */
static uint32_t and_players(uint32_t own, uint32_t players, uint32_t again, uint32_t actions)
{
    return larger(own + players * (again + actions), 1);
}

nplug_limits nplug_limits_for(const nplug_game *game)
{
    nplug_limits limits = nplug_limits_default();
    uint32_t players, actions;
    needs own;

    if (!game || !game->actions || game->action_size == 0) return limits;
    own = needs_of(game);
    players = smaller(larger(game->players, 1), NPLUG_PLAYERS_MAX);
    actions = game->action_count;
    limits.players = players;
    limits.actions = larger(actions, 1);
    limits.bindings = /* and the old ones of an action, until its new ones are there */
        smaller(and_players(own.bindings, players, own.bindings, actions) + own.most, 16000);
    limits.sources = smaller(and_players(own.sources, players, own.sources, 2 * actions), 60000);
    limits.gestures = smaller(and_players(own.gestures, players, own.gestures, own.pressed), 60000);
    limits.ramps = smaller(and_players(own.ramps, players, own.ramps, 0), 60000);
    limits.shapings = smaller(and_players(own.shapings, players, own.shapings, actions + 1), 60000);
    limits.text = smaller(and_players(0, players, own.text, 48 * (actions + 1)), 1u << 24);
    limits.links = smaller(larger(limits.controls, 2 * limits.sources), 60000);
    limits.timers = smaller(larger(limits.timers, limits.devices + 2 * own.gestures), 60000);
    limits.events = larger(limits.events, 4 * actions);
    limits.zones = SURFACES * game->zone_count;
    return limits;
}
