/* A quay crane worked with both hands: either one grabs by how far its trigger is pulled, the
 * dominant one aims, and a headset that is taken off lets the load down.
 *
 *   crane          the hardware of this machine
 *   crane TRACE    simulated hardware, as a trace written by hand plays it */
#include "stage.h"
#include <stdio.h>

enum { GRAB_LEFT, GRAB_RIGHT, CLOSE_LEFT, CLOSE_RIGHT, LAMP, HOOK, HEAD };

/* Grabbed at nearly a full pull, let go of far below that; the level moves the fingers meanwhile.
 */
static const nplug_action_def actions[] = {
    [GRAB_LEFT] = {"grab-left", NPLUG_ACTION_BUTTON, "hand-left:trigger press=0.9 release=0.3", 0},
    [GRAB_RIGHT] = {"grab-right", NPLUG_ACTION_BUTTON, "hand-right:trigger press=0.9 release=0.3",
                    0},
    [CLOSE_LEFT] = {"close-left", NPLUG_ACTION_LEVEL, "hand-left:trigger", 0},
    [CLOSE_RIGHT] = {"close-right", NPLUG_ACTION_LEVEL, "hand-right:trigger", 0},
    [LAMP] = {"lamp", NPLUG_ACTION_BUTTON, "hand-off:lower", 0},
    [HOOK] = {"hook", NPLUG_ACTION_POSE, "hand-main:pose-aim", 0},
    [HEAD] = {"head", NPLUG_ACTION_POSE, "headset:pose-view", 0},
};

typedef struct crane {
    bool lamp, set;
    unsigned frames;
} crane;

/* --- what it looks like --------------------------------------------------------------------- */

static const char *state_of(const nplug_device_facts *info)
{
    return info->asleep ? "asleep: the headset is off" : "awake";
}

static void draw_devices(const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_device_facts, info);

    for (uint32_t i = 0; i < nplug_device_count(nest); i++) {
        nplug_device_info(nest, nplug_device_at(nest, i), &info);
        printf("   %-22s %s%s\n", info.name, state_of(&info),
               info.kind == nplug_dominant(nest) ? ", the dominant hand" : "");
    }
}

/* Fingers that close as the trigger is pulled. */
static void draw_hand(const nplug_nest *nest, const char *name, uint32_t grab, uint32_t close)
{
    int pulled = (int)(nplug_level(nest, 1, close) * 20.0f + 0.5f);

    printf("   %-6s [%.*s%*s] %s\n", name, pulled, "####################", 20 - pulled, "",
           nplug_held(nest, 1, grab) ? "holds the load" : "open");
}

static void draw_pose(const nplug_nest *nest, const char *name, uint32_t action)
{
    NPLUG_SIZED(nplug_pose_facts, at);

    if (nplug_action_pose(nest, 1, action, &at) != NPLUG_OK)
        printf("   %-6s nobody is there\n", name);
    else if (!at.position_valid)
        printf("   %-6s lost; last seen at %5.2f %5.2f %5.2f m\n", name,
               (double)at.pose.position[0], (double)at.pose.position[1],
               (double)at.pose.position[2]);
    else
        printf("   %-6s %5.2f %5.2f %5.2f m%s\n", name, (double)at.pose.position[0],
               (double)at.pose.position[1], (double)at.pose.position[2],
               at.position_tracked ? "" : " (a guess)");
}

static void draw(const crane *c, const nplug_nest *nest)
{
    stage_clear();
    printf(" The quay crane at %.1f s\n", (double)nplug_nest_time(nest) / 1e6);
    draw_devices(nest);
    draw_hand(nest, "left", GRAB_LEFT, CLOSE_LEFT);
    draw_hand(nest, "right", GRAB_RIGHT, CLOSE_RIGHT);
    draw_pose(nest, "hook", HOOK);
    draw_pose(nest, "head", HEAD);
    printf("   lamp   %s\n\n", c->lamp ? "lit" : "dark");
    fflush(stdout);
}

/* --- the game ------------------------------------------------------------------------------- */

/* The person's left hand is the dominant one, by the settings of a game. */
static bool frame(void *user, nplug_nest *nest)
{
    crane *c = (crane *)user;

    if (!c->set) nplug_set_dominant(nest, NPLUG_KIND_HAND_LEFT);
    c->set = true;
    if (nplug_presses(nest, 1, LAMP)) c->lamp = !c->lamp;
    if (c->frames++ % 30 == 0) draw(c, nest);
    return true;
}

int main(int argc, char **argv)
{
    nplug_game game = nplug_game_for_one("crane", actions, sizeof actions / sizeof *actions);
    const char *trace = argc > 1 ? argv[1] : NULL;
    nplug_nest *nest = stage_open(&game, trace);
    crane c = {false, false, 0};

    return nest ? stage_play(nest, trace, frame, &c) : 1;
}
