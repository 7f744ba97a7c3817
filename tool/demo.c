#include "describe.h"
#include "harbour.h"
#include "hardware.h"
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>
#include <time.h>

#define PLAYERS 5

/* The chart's sheets. */
static const char *const sheets[] = {"the quays", "the roads", "the lighthouse"};

/* What was last told of each player, so that only changes are. */
typedef struct teller {
    hardware hw;
    int json;
    const char *course[PLAYERS], *speed[PLAYERS], *zoom[PLAYERS];
    unsigned sheet;
} teller;

/* Lines of one player have one colour; those of hardware that nobody has are bold. */
static const char *colour_of(nplug_player player)
{
    static const char *const colours[PLAYERS] = {"1", "36", "33", "32", "35"};
    return colours[player < PLAYERS ? player : 0];
}

/* What happened, and whose it is. */
static void tell(const teller *story, const nplug_event *event, const char *text)
{
    double seconds = (double)event->time / 1e6;

    if (story->json)
        describe_print(json_pack("{s:I, s:i, s:s}", "t", (json_int_t)event->time, "player",
                                 (int)event->player, "text", text),
                       false);
    else if (tool_colour())
        printf("\033[2m%5.2f s\033[0m  \033[%sm%s\033[0m\n", seconds, colour_of(event->player),
               text);
    else
        printf("%5.2f s  %s\n", seconds, text);
}

static const char amidships[] = "lets the helm go amidships";
static const char stopped[] = "stops the engine";

static const char *course_of(nplug_vec2 steer)
{
    if (fabsf(steer.x) < 0.2f && fabsf(steer.y) < 0.2f) return amidships;
    if (fabsf(steer.y) > fabsf(steer.x)) return steer.y > 0 ? "heads out" : "backs off";
    return steer.x > 0 ? "turns to starboard" : "turns to port";
}

static const char *speed_of(float throttle)
{
    if (throttle < 0.1f) return stopped;
    if (throttle < 0.4f) return "lets her drift";
    return throttle < 0.9f ? "cruises" : "goes full ahead";
}

static const char whole[] = "sees the whole chart";

static const char *zoom_of(float pinch)
{
    if (pinch > 0.3f) return "looks closer";
    return pinch < -0.3f ? "looks from afar" : whole;
}

/* Tells a state of a player's where it is another one than before (at first: than at rest). */
static void tell_state(const teller *story, const nplug_event *event, const char **was,
                       const char *is, const char *at_rest)
{
    char text[160];

    if (*was && strcmp(*was, is) == 0) return;
    if (!*was && is == at_rest) return;
    *was = is;
    snprintf(text, sizeof text, "Player %u %s.", event->player, is);
    tell(story, event, text);
}

static void tell_value(teller *story, const nplug_event *event)
{
    if (event->player == 0 || event->player >= PLAYERS) return;
    if (event->action == HARBOUR_STEER)
        tell_state(story, event, &story->course[event->player], course_of(event->value), amidships);
    if (event->action == HARBOUR_THROTTLE)
        tell_state(story, event, &story->speed[event->player], speed_of(event->value.x), stopped);
    if (event->action == HARBOUR_ZOOM)
        tell_state(story, event, &story->zoom[event->player], zoom_of(event->value.x), whole);
}

/* Where the last contact of a device began, that was lifted in this step. */
static nplug_vec2 lifted_at(const teller *story, nplug_device device)
{
    NPLUG_SIZED(nplug_contact_facts, facts);
    nplug_vec2 at = {0.0f, 0.0f};

    for (uint32_t i = 0; nplug_contact_info(story->hw.nest, i, &facts) == NPLUG_OK; i++)
        if (facts.device == device && facts.ended) at = facts.start;
    return at;
}

/* The harbour master's chart. */
static void tell_chart(teller *story, const nplug_event *event)
{
    nplug_vec2 at = lifted_at(story, event->device);
    char text[160];

    if (event->action == HARBOUR_BUOY)
        snprintf(text, sizeof text, "Player %u lays a buoy at %.0f %% by %.0f %% of the chart.",
                 event->player, (double)(100.0f * at.x), (double)(100.0f * at.y));
    else
        snprintf(text, sizeof text, "Player %u swipes to the next sheet: %s.", event->player,
                 sheets[++story->sheet % (sizeof sheets / sizeof *sheets)]);
    tell(story, event, text);
}

/* A control's name; of a zone that stands for one, the zone's. */
static void name_control(const teller *story, const nplug_event *event, char *name, size_t size)
{
    NPLUG_SIZED(nplug_zone_facts, zone);

    nplug_control_name(event->control, name, size);
    for (uint32_t z = 0; nplug_zone_info(story->hw.nest, event->device, z, &zone) == NPLUG_OK; z++)
        if (zone.control == event->control) snprintf(name, size, "zone:%s", zone.name);
}

/* How high the crane's hook hangs, in metres: where the hand is. */
static double height_of(const teller *story, nplug_player player)
{
    NPLUG_SIZED(nplug_pose_facts, at);

    nplug_action_pose(story->hw.nest, player, HARBOUR_HOOK, &at);
    return (double)at.pose.position[1];
}

/* The quay crane: a hand closes at nearly a full pull and opens far below that. */
static void tell_crane(const teller *story, const nplug_event *event)
{
    double height = height_of(story, event->player);
    char text[160], control[48] = "";

    nplug_control_name(event->control, control, sizeof control);
    if (event->kind == NPLUG_EVENT_RELEASE && event->flags & NPLUG_EVENT_FLAG_CANCELLED)
        snprintf(text, sizeof text, "Player %u's grab opens: nobody holds it any more.",
                 event->player);
    else if (event->kind == NPLUG_EVENT_RELEASE)
        snprintf(text, sizeof text, "Player %u lets the crate go, %.1f m above the quay.",
                 event->player, height);
    else if (event->action == HARBOUR_SWING)
        snprintf(text, sizeof text, "Player %u swings the crane (%s).", event->player, control);
    else
        snprintf(text, sizeof text, "Player %u grabs a crate at %.1f m (%s), and feels it.",
                 event->player, height, control);
    if (event->action == HARBOUR_SWING && event->kind == NPLUG_EVENT_RELEASE) return;
    if (event->action == HARBOUR_GRAB && event->kind == NPLUG_EVENT_PRESS)
        nplug_rumble(story->hw.nest, event->device, 0.6f, 0.2f, 80);
    tell(story, event, text);
}

static void tell_edge(teller *story, const nplug_event *event)
{
    bool pressed = event->kind == NPLUG_EVENT_PRESS;
    bool horn = event->action == HARBOUR_HORN;
    char text[160], control[48] = "";

    if (pressed && (event->action == HARBOUR_BUOY || event->action == HARBOUR_SHEET))
        tell_chart(story, event);
    if (event->action == HARBOUR_GRAB || event->action == HARBOUR_SWING) tell_crane(story, event);
    if (!horn && event->action != HARBOUR_WINCH) return;
    if (!pressed && !(event->flags & NPLUG_EVENT_FLAG_CANCELLED)) return;
    name_control(story, event, control, sizeof control);
    if (pressed)
        snprintf(text, sizeof text, "Player %u %s (%s).", event->player,
                 horn ? "sounds the horn" : "works the winch", control);
    else
        snprintf(text, sizeof text, "Player %u's %s falls silent: nobody holds it any more.",
                 event->player, horn ? "horn" : "winch");
    tell(story, event, text);
}

/* What a device is called in a story. */
static const char *kind_of(uint32_t kind)
{
    if (kind == NPLUG_KIND_TOUCH) return "touch table";
    if (kind == NPLUG_KIND_HAND_LEFT) return "left hand";
    return kind == NPLUG_KIND_HAND_RIGHT ? "right hand" : nplug_kind_name(kind);
}

static bool is_worn(uint32_t kind)
{
    return kind == NPLUG_KIND_HAND_LEFT || kind == NPLUG_KIND_HAND_RIGHT ||
           kind == NPLUG_KIND_HEADSET;
}

static void tell_arrival(const teller *story, const nplug_event *event)
{
    NPLUG_SIZED(nplug_device_facts, info);
    char text[200], bus[16];

    if (nplug_device_info(story->hw.nest, event->device, &info) != NPLUG_OK) return;
    if (info.matched == NPLUG_MATCHED_NONE)
        snprintf(text, sizeof text,
                 "%s is plugged in: not recognised, %u signals can be read all the same.",
                 info.name, info.signals);
    else
        snprintf(text, sizeof text,
                 "%s is %s: a %s, by its numbers (%s %04x:%04x), %u controls%s%s.", info.name,
                 is_worn(info.kind) ? "connected" : "plugged in", kind_of(info.kind),
                 describe_bus(info.bus, bus, sizeof bus), info.vendor, info.product, info.controls,
                 *info.family ? ", family " : "", info.family);
    tell(story, event, text);
}

static void tell_seat(const teller *story, const nplug_event *event)
{
    NPLUG_SIZED(nplug_device_facts, info);
    char text[200], control[48] = "";

    if (nplug_device_info(story->hw.nest, event->device, &info) != NPLUG_OK) return;
    nplug_control_name(event->control, control, sizeof control);
    if (event->kind == NPLUG_EVENT_JOIN)
        snprintf(text, sizeof text, "Player %u joins by pressing %s; that press does nothing else.",
                 event->player, control);
    else if (event->flags & NPLUG_EVENT_FLAG_RETURNED)
        snprintf(text, sizeof text, "It is known by its serial number: player %u has it back.",
                 event->player);
    else
        snprintf(text, sizeof text, "Player %u plays with %s.", event->player, info.name);
    tell(story, event, text);
}

static void tell_departure(const teller *story, const nplug_event *event)
{
    NPLUG_SIZED(nplug_device_facts, info);
    char text[200];

    if (nplug_device_info(story->hw.nest, event->device, &info) != NPLUG_OK) return;
    snprintf(text, sizeof text, "%s is gone.", info.name);
    tell(story, event, text);
}

/* What becomes of devices and of those who play with them. */
static void tell_about(const teller *story, const nplug_event *event)
{
    NPLUG_SIZED(nplug_device_facts, info);
    NPLUG_SIZED(nplug_active_set, active);
    char text[200];

    if (event->flags & NPLUG_EVENT_FLAG_SAME_PROMPTS) return;
    if (nplug_device_info(story->hw.nest, event->device, &info) != NPLUG_OK) return;
    nplug_active_info(story->hw.nest, event->player, &active);
    if (event->kind == NPLUG_EVENT_WAIT)
        snprintf(text, sizeof text, "Player %u waits for it; a game would pause.", event->player);
    else if (event->kind == NPLUG_EVENT_WOBBLE)
        snprintf(text, sizeof text, "%s was gone for a moment: nobody need know.", info.name);
    else if (event->kind == NPLUG_EVENT_BATTERY)
        snprintf(text, sizeof text, "%s's battery is at %u %%%s.", info.name,
                 (unsigned)event->battery_percent,
                 event->flags & NPLUG_EVENT_FLAG_LOW ? ": low" : "");
    else if (info.kind == NPLUG_KIND_TOUCH)
        snprintf(text, sizeof text, "Player %u uses %s: its zones are drawn.", event->player,
                 info.name);
    else
        snprintf(text, sizeof text, "Player %u uses %s: prompts are %s%s.", event->player,
                 info.name,
                 *active.family       ? "those of "
                 : is_worn(info.kind) ? "the hands'"
                                      : "the keys'",
                 active.family);
    tell(story, event, text);
}

/* The harbour master lays a second pad on player 2's desk. */
static void lend(const teller *story, const nplug_event *event)
{
    NPLUG_SIZED(nplug_device_facts, info);

    nplug_device_info(story->hw.nest, event->device, &info);
    if (strcmp(info.sheet, "whimbrel") == 0) nplug_claim(story->hw.nest, event->device, 2);
}

/* A headset and its hands fall asleep and wake together: that is told once. */
static void tell_sleep(const teller *story, const nplug_event *event)
{
    NPLUG_SIZED(nplug_device_facts, info);

    if (nplug_device_info(story->hw.nest, event->device, &info) != NPLUG_OK) return;
    if (info.kind != NPLUG_KIND_HEADSET) return;
    tell(story, event,
         event->kind == NPLUG_EVENT_ASLEEP
             ? "The headset is taken off: it and the hands are asleep, connected and silent."
             : "The headset is on again: what was held in the meantime presses nothing.");
}

static void tell_event(teller *story, const nplug_event *event)
{
    switch (event->kind) {
    case NPLUG_EVENT_ARRIVAL:
        tell_arrival(story, event);
        lend(story, event);
        break;
    case NPLUG_EVENT_WAIT:
    case NPLUG_EVENT_WOBBLE:
    case NPLUG_EVENT_BATTERY:
    case NPLUG_EVENT_ACTIVE:
        tell_about(story, event);
        break;
    case NPLUG_EVENT_ASLEEP:
    case NPLUG_EVENT_AWAKE:
        tell_sleep(story, event);
        break;
    case NPLUG_EVENT_DEPARTURE:
        tell_departure(story, event);
        break;
    case NPLUG_EVENT_JOIN:
    case NPLUG_EVENT_CLAIM:
        tell_seat(story, event);
        break;
    case NPLUG_EVENT_PRESS:
    case NPLUG_EVENT_RELEASE:
        tell_edge(story, event);
        break;
    case NPLUG_EVENT_VALUE:
        tell_value(story, event);
        break;
    default:
        break;
    }
}

static void play(teller *story, bool slowly)
{
    struct timespec span = {0, 1000000000L / 60 / 2};

    while (hardware_next(&story->hw)) {
        for (uint32_t i = 0; i < nplug_event_count(story->hw.nest); i++)
            tell_event(story, nplug_event_at(story->hw.nest, i));
        if (!slowly) continue;
        fflush(stdout);
        nanosleep(&span, NULL);
    }
}

static int run(const tool_command *command, int argc, const char **argv)
{
    teller story = {0};
    int status, fast = 0;
    const char *rest;
    struct poptOption options[] = {
        {"fast", 0, POPT_ARG_NONE, &fast, 0, "Tell the story at once", NULL},
        {"json", 0, POPT_ARG_NONE, &story.json, 0, "Print a JSON object a line", NULL},
        POPT_TABLEEND};

    status = tool_options(command, argc, argv, options, &rest);
    if (status < 0) status = hardware_open_demo(&story.hw, 60);
    if (status >= 0) return status;
    if (!story.json)
        printf("A harbour at night. The hardware is simulated; the library is not.\n\n");
    play(&story, !fast && isatty(STDOUT_FILENO));
    if (!story.json)
        printf("\nTry next:\n"
               "  nestplug devices --port sim:TRACE   what is here, and as what it was recognised\n"
               "  nestplug watch --port sim:TRACE     each change as it comes\n"
               "This trace is tool/demo/harbour.trace. examples/first_press.c is the shortest "
               "game.\n");
    return hardware_close(&story.hw);
}

const tool_command tool_demo = {
    "demo", "[OPTIONS]", "Tells an evening in the harbour, with simulated hardware",
    NULL,   TOOL_NEVER,  run};
