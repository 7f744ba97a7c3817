/* Limits that fit a game: nothing that it or its players can do meets one. */
#include "support.h"
#include <stdio.h>
#include <string.h>

enum { MOST = 40, TEXT = 200 };

/* What controls a binding of a button or a level may name. */
static const char *const controls[] = {"pad:south",
                                       "pad:east",
                                       "pad:west",
                                       "pad:north",
                                       "pad:dpad-up",
                                       "pad:trigger-left",
                                       "pad:trigger-right",
                                       "key:KeyA",
                                       "key:KeyB",
                                       "key:KeyC",
                                       "mouse:left",
                                       "mouse:right",
                                       "pad:stick-left.x",
                                       "key:F1",
                                       "key:F2",
                                       "pad:start",
                                       "pad:select",
                                       "key:Digit1",
                                       "key:Digit2",
                                       "wheel:brake",
                                       "pad:stick-left.up",
                                       "pad:stick-right.left"};
static const char *const presses[] = {
    "", " tap", " hold=300", " double-tap", " taps=3:400", " repeat=300:60", " on-release", ""};
static const char *const shapes[] = {
    "", " dead=0.1", " rise=3 fall=2", " power=2 scale=0.5", " invert=x", ""};

static uint32_t below(uint32_t *random, uint32_t most)
{
    *random = *random * 1664525u + 1013904223u;
    return (*random >> 8) % most;
}

/* A text of one to four bindings for an action of a kind. */
static void write_text(uint32_t *random, nplug_action_kind kind, char *text)
{
    uint32_t count = 1 + below(random, 4);
    size_t used = 0;

    for (uint32_t i = 0; i < count; i++) {
        const char *control = controls[below(random, COUNT_OF(controls))];
        const char *chord = below(random, 4) ? "" : "key:ShiftLeft+";
        const char *more = kind == NPLUG_ACTION_BUTTON ? presses[below(random, COUNT_OF(presses))]
                                                       : shapes[below(random, COUNT_OF(shapes))];
        if (kind == NPLUG_ACTION_VECTOR) control = "keys:KeyW,KeyS,KeyA,KeyD";
        used += (size_t)snprintf(text + used, TEXT - used, "%s%s%s%s", i ? " | " : "", chord,
                                 control, more);
    }
}

/* A text that cannot be (a lever as a button held twice, say) is written anew. */
static void make_text(uint32_t *random, nplug_action_kind kind, char *text)
{
    do
        write_text(random, kind, text);
    while (nplug_read_bindings(kind, text, NULL, NULL, NULL) != NPLUG_OK);
}

/* Each binding by another control, and one more. */
static void bind_otherwise(uint32_t *random, const nplug_action_def *def,
                           char own[NPLUG_BINDINGS_SIZE])
{
    char next[NPLUG_BINDINGS_SIZE];
    uint32_t most = 1;

    for (const char *at = def->bindings; *at; at++)
        most += *at == '|';
    snprintf(own, NPLUG_BINDINGS_SIZE, "%s", def->bindings);
    for (uint32_t i = 0; i <= most; i++) {
        const char *control = def->kind == NPLUG_ACTION_VECTOR
                                  ? "keys:KeyI,KeyK,KeyJ,KeyL"
                                  : controls[below(random, COUNT_OF(controls))];
        size_t length = nplug_bindings_replace(own, i, control, next, sizeof next);
        if (length >= sizeof next) continue;
        if (nplug_read_bindings((nplug_action_kind)def->kind, next, NULL, NULL, NULL) == NPLUG_OK)
            memcpy(own, next, sizeof next);
    }
}

static void no_limit_was_met(const test_rig *rig, const char *what)
{
    nplug_event event;

    if (rig_saw(rig, NPLUG_EVENT_LIMIT, &event))
        ck_abort_msg("%s met limits.%s: %s", what, nplug_limit_name(event.limit), rig->log);
}

static void post(test_rig *rig, nplug_time *now, nplug_result result)
{
    ck_assert_msg(result == NPLUG_OK, "%s: %s", nplug_result_text(result), rig->log);
    *now += MS;
    nplug_step(rig->nest, *now);
    no_limit_was_met(rig, "a player's own");
}

/* Every player binds every action otherwise, shapes each, and plays. */
TESTS(whatever_players_do_fits, 60)
{
    static char texts[MOST][TEXT];
    static char names[MOST][16];
    static nplug_action_def defs[MOST];
    uint32_t random = (uint32_t)_i * 7919u + 1u, count = 1 + below(&random, MOST - 1);
    uint32_t players = 1 + below(&random, 4);
    nplug_game game = nplug_game_for("fits", defs, count, players);
    nplug_limits limits;
    nplug_time now = 0;
    test_rig rig;

    game.seats = NPLUG_SEATS_BY_CALL;
    for (uint32_t a = 0; a < count; a++) {
        defs[a].kind = below(&random, 3);
        defs[a].layer = 0;
        make_text(&random, (nplug_action_kind)defs[a].kind, texts[a]);
        snprintf(names[a], sizeof names[a], "a%u", (unsigned)a);
        defs[a].name = names[a];
        defs[a].bindings = texts[a];
    }
    limits = nplug_limits_for(&game);
    ck_assert_uint_ne(nplug_memory_needed(&limits), 0);
    rig_open(&rig, &game, &limits);
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    nplug_sim_plug(rig.sim, 0, "pad", "heron");
    nplug_sim_plug(rig.sim, 0, "other", "whimbrel");
    nplug_step(rig.nest, 0);
    no_limit_was_met(&rig, "arriving");
    for (nplug_player p = 1; p <= players; p++)
        for (uint32_t a = 0; a < count; a++) {
            char own[NPLUG_BINDINGS_SIZE];
            bind_otherwise(&random, &defs[a], own);
            post(&rig, &now, nplug_bind(rig.nest, p, a, own));
            if (defs[a].kind != NPLUG_ACTION_BUTTON)
                post(&rig, &now, nplug_set_comfort(rig.nest, p, a, "dead=0.2 scale=0.9"));
            else
                post(&rig, &now, nplug_set_comfort(rig.nest, p, a, "toggle lasts=20"));
        }
    for (nplug_player p = 1; p <= players; p++)
        nplug_claim(rig.nest, nplug_device_at(rig.nest, p % 3), p);
    for (int i = 0; i < 60; i++) {
        static const char *const keys[] = {"KeyA", "KeyB", "KeyC", "F1", "ShiftLeft", "KeyW"};
        static const char *const buttons[] = {"south", "east", "trigger-left", "dpad-up"};
        now += 20 * MS;
        nplug_sim_press(rig.sim, now, "keys", keys[i % 6], 15 * MS);
        nplug_sim_press(rig.sim, now, i % 2 ? "pad" : "other", buttons[i % 4], 15 * MS);
        nplug_step(rig.nest, now);
        no_limit_was_met(&rig, "playing");
    }
    rig_close(&rig);
}

/* Of nothing, and of what cannot be read, there are limits too. */
TEST(there_are_limits_of_anything)
{
    nplug_action_def wrong = {"wrong", NPLUG_ACTION_BUTTON, "pad:sauth |||", 0};
    nplug_action_def none = {"none", NPLUG_ACTION_BUTTON, NULL, 0};
    nplug_game game = nplug_game_for_one("wrong", &wrong, 1);
    nplug_limits limits = nplug_limits_for(NULL);

    ck_assert_uint_ne(nplug_memory_needed(&limits), 0);
    limits = nplug_limits_for(&game);
    ck_assert_uint_ne(nplug_memory_needed(&limits), 0);
    game = nplug_game_for_one("none", &none, 1);
    limits = nplug_limits_for(&game);
    ck_assert_uint_ne(nplug_memory_needed(&limits), 0);
}
