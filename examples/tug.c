/* A tug for two players, polled and by events side by side: both are views of the same step, and
 * neither takes anything from the other.  Time runs in steps of a sixtieth of a second, as fast as
 * it can, so that the example ends at once; a real game passes nplug_now(). */
#include <nestplug/nestplug.h>
#include <stdio.h>

enum { STEER, THROTTLE, HORN, ACTIONS };
static const nplug_action_def actions[ACTIONS] = {
    [STEER] = {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left | keys:KeyW,KeyS,KeyA,KeyD", 0},
    [THROTTLE] = {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right | key:Space", 0},
    [HORN] = {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyH", 0},
};

typedef struct boat {
    float x, y;
    unsigned hoots;
} boat;

/* Polling: what holds now, once a frame. */
static void move(const nplug_nest *nest, nplug_player player, boat *tug)
{
    nplug_vec2 steer = nplug_vector(nest, player, STEER);
    float speed = nplug_level(nest, player, THROTTLE) / 60.0f;

    tug->x += steer.x * speed;
    tug->y += steer.y * speed;
}

/* Events: what happened, in order, with the time of each. */
static void tell(const nplug_nest *nest)
{
    for (uint32_t i = 0; i < nplug_event_count(nest); i++) {
        const nplug_event *event = nplug_event_at(nest, i);
        double at = (double)event->time / 1e6;
        if (event->kind == NPLUG_EVENT_JOIN) printf("%.3f player %u joins\n", at, event->player);
        if (event->kind == NPLUG_EVENT_PRESS && event->action == HORN)
            printf("%.3f player %u hoots\n", at, event->player);
        if (event->kind == NPLUG_EVENT_DEPARTURE) printf("%.3f a device is gone\n", at);
    }
}

/* A step.  Where more happened than its events have room for, it stops early and says NPLUG_AGAIN:
 * what is counted in a step is read, and the same moment is stepped once more. */
static void step(nplug_nest *nest, nplug_time now, boat tugs[2])
{
    nplug_result result;

    do {
        result = nplug_step(nest, now);
        tell(nest);
        for (nplug_player player = 1; player <= 2; player++)
            tugs[player - 1].hoots += nplug_presses(nest, player, HORN);
    } while (result == NPLUG_AGAIN);
}

static void play_hardware(nplug_sim *sim)
{
    nplug_vec2 northeast = {0.7f, 0.7f};

    nplug_sim_plug(sim, 0, "pad", "heron");
    nplug_sim_plug(sim, 0, "keys", "turnstone");
    nplug_sim_press(sim, 100000, "pad", "start", 50000); /* joins, and nothing else */
    nplug_sim_press(sim, 200000, "keys", "KeyH", 50000); /* joins, and does not hoot */
    nplug_sim_sweep(sim, 300000, "pad", "stick-left", northeast, 100000);
    nplug_sim_sweep(sim, 300000, "pad", "trigger-right", (nplug_vec2){1.0f, 0.0f}, 100000);
    nplug_sim_press(sim, 400000, "keys", "KeyH", 4000); /* shorter than a frame, and heard */
    nplug_sim_press(sim, 500000, "keys", "KeyA", 500000);
    nplug_sim_press(sim, 500000, "keys", "Space", 500000);
    nplug_sim_unplug(sim, 1200000, "pad");
}

int main(void)
{
    nplug_game game = nplug_game_for("tugs", actions, ACTIONS, 2);
    boat tugs[2] = {{0.0f, 0.0f, 0}, {0.0f, 0.0f, 0}};
    nplug_nest *nest;
    nplug_sim *sim;

    if (nplug_start_bare(&game, NULL, &nest) != NPLUG_OK) return 1; /* no real hardware */
    sim = nplug_sim_start(nest);
    play_hardware(sim);
    for (unsigned frame = 0; frame < 90; frame++) {
        step(nest, frame * UINT64_C(1000000) / 60, tugs);
        for (nplug_player player = 1; player <= 2; player++)
            move(nest, player, &tugs[player - 1]);
    }
    for (int i = 0; i < 2; i++)
        printf("tug %d at (%.2f, %.2f), %u hoots\n", i + 1, (double)tugs[i].x, (double)tugs[i].y,
               tugs[i].hoots);
    nplug_stop(nest);
    return 0;
}
