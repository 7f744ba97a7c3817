/* A screen for picking other controls, in a terminal: with conflicts, undo, reset and save.
 *
 *   refit               the hardware of this machine
 *   refit TRACE         simulated hardware, as a trace written by hand plays it
 *
 * Settings are kept in refit.settings, or in a file given after the trace. */
#include "stage.h"
#include <stdio.h>
#include <string.h>

enum { STEER, THROTTLE, HORN, WINCH, LAMP, SHOWN, MENU = SHOWN };
enum { HELM, SCREEN };

static const nplug_action_def actions[] = {
    {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left | keys:KeyW,KeyS,KeyA,KeyD", HELM},
    {"throttle", NPLUG_ACTION_LEVEL, "pad:trigger-right | key:Space", HELM},
    {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyH", HELM},
    {"winch", NPLUG_ACTION_BUTTON, "pad:west | key:KeyE", HELM},
    {"lamp", NPLUG_ACTION_BUTTON, "pad:dpad-up double-tap | key:KeyL", HELM},
    NPLUG_MENU_ACTIONS(SCREEN),
};
static const nplug_action_policy rules[] = {NPLUG_MENU_RULES(MENU, 1)};
static const nplug_layer_def layers[] = {{"helm", 0, true}, {"screen", 10, true}};

#define UNDOS 64

typedef enum mode { CHOOSES, PICKS, ASKS } mode;

typedef struct undo {
    uint32_t group; /* what was changed together goes back together */
    uint32_t action;
    bool own;
    char from[NPLUG_BINDINGS_SIZE];
} undo;

typedef struct refit {
    nplug_nest *nest;
    nplug_settings *settings;
    const char *path;
    mode mode;
    uint32_t row;
    char source[64], from[NPLUG_BINDINGS_SIZE]; /* what was picked, and the text with it */
    char words[64];                             /* what it is called */
    uint32_t place;                             /* of the binding that it takes */
    nplug_conflict conflict;
    undo done[UNDOS];
    uint32_t done_count, group;
    char said[256];
    bool changed, over;
} refit;

static void say(refit *r, const char *text)
{
    snprintf(r->said, sizeof r->said, "%s", text);
    r->changed = true;
}

/* --- what it looks like --------------------------------------------------------------------- */

/* All that does an action, in words; what stands for the same in the text is said once. */
static void draw_ways(const refit *r, uint32_t action)
{
    NPLUG_SIZED(nplug_prompt, prompt);
    NPLUG_SIZED(nplug_offer, offer);
    char text[120], before[120] = "";

    for (uint32_t i = 0; nplug_offer_info(r->nest, 1, action, i, &offer) == NPLUG_OK; i++) {
        nplug_offer_prompt(r->nest, &offer, &prompt);
        nplug_prompt_text(&prompt, false, text, sizeof text);
        if (strcmp(text, before) != 0) printf("%s%s", i ? " | " : "", text);
        memcpy(before, text, sizeof before);
    }
    printf("\n");
}

static void draw(refit *r)
{
    stage_clear();
    printf("Refit: which control does what (* is your own)\n\n");
    for (uint32_t a = 0; a < SHOWN; a++) {
        printf(" %s %-9s%s ", a == r->row ? ">" : " ", nplug_action_name(r->nest, a),
               nplug_is_rebound(r->nest, 1, a) ? "*" : " ");
        draw_ways(r, a);
    }
    printf("\n%s\n", r->said);
    if (r->mode == CHOOSES)
        printf("confirm: another control   left: undo   right: reset   page down: save   "
               "cancel: leave\n");
    if (r->mode == ASKS)
        printf("confirm: swap   left: replace   right: keep both   cancel: leave it\n");
    printf("\n");
    fflush(stdout);
    r->changed = false;
}

/* --- changing ------------------------------------------------------------------------------- */

/* Every change remembers what was. */
static void change(refit *r, uint32_t action, const char *from)
{
    undo *was;

    if (r->done_count == UNDOS) memmove(r->done, r->done + 1, --r->done_count * sizeof *r->done);
    was = &r->done[r->done_count];
    was->group = r->group;
    was->action = action;
    was->own = nplug_is_rebound(r->nest, 1, action);
    snprintf(was->from, sizeof was->from, "%s", nplug_bindings(r->nest, 1, action));
    if (nplug_bind(r->nest, 1, action, from) == NPLUG_OK) r->done_count++;
}

static void take_back(refit *r)
{
    const undo *was;

    if (r->done_count == 0) {
        say(r, "There is nothing to undo.");
        return;
    }
    do {
        was = &r->done[--r->done_count];
        nplug_bind(r->nest, 1, was->action, was->own ? was->from : NULL);
    } while (r->done_count && r->done[r->done_count - 1].group == was->group);
    say(r, "Undone.");
}

static void save(refit *r)
{
    nplug_settings_keep_player(r->settings, r->nest, 1, "skipper");
    say(r,
        nplug_settings_write(r->settings, r->path) == NPLUG_OK ? "Saved." : "It cannot be saved!");
}

/* Which binding a control takes the place of: the first of the same sort of device. */
static uint32_t place_for(const refit *r, const char *source)
{
    const char *at = nplug_bindings(r->nest, 1, r->row);
    size_t sort = strcspn(source, ":");

    for (uint32_t place = 0;; place++) {
        at += strspn(at, " ");
        if (*at == 0 || (strncmp(at, source, 3) == 0 && sort)) return place;
        at += strcspn(at, "|");
        if (*at == 0) return place + 1;
        at++;
    }
}

/* What the control that was picked is called on its device. */
static const char *words_for(refit *r, nplug_device device, nplug_source source)
{
    NPLUG_SIZED(nplug_prompt, prompt);

    nplug_source_prompt(r->nest, device, source, &prompt);
    nplug_prompt_text(&prompt, false, r->words, sizeof r->words);
    return r->words;
}

/* A control was picked: it is taken at once where nothing stands in its way. */
static void take(refit *r, nplug_device device, nplug_source source)
{
    nplug_binding_error error;
    unsigned components = 1;

    NPLUG_SIZED(nplug_action_facts, facts);
    nplug_action_info(r->nest, 1, r->row, &facts);
    nplug_control_nature(source.control, &components);
    if (facts.kind == NPLUG_ACTION_VECTOR && components == 2) source.way = NPLUG_WAY_WHOLE;
    nplug_source_name(source, r->source, sizeof r->source);
    r->place = place_for(r, r->source);
    nplug_bindings_replace(nplug_bindings(r->nest, 1, r->row), r->place, r->source, r->from,
                           sizeof r->from);
    r->mode = CHOOSES;
    if (nplug_read_bindings(facts.kind, r->from, NULL, NULL, &error) != NPLUG_OK) {
        say(r, error.what);
    } else if (nplug_conflicts(r->nest, 1, r->row, r->from, &r->conflict, 1)) {
        snprintf(r->said, sizeof r->said, "The %s has %s already.",
                 nplug_action_name(r->nest, r->conflict.action), words_for(r, device, source));
        r->mode = ASKS;
    } else {
        change(r, r->row, r->from);
        snprintf(r->said, sizeof r->said, "%s it is.", words_for(r, device, source));
    }
    r->changed = true;
}

/* The nth binding of a text, without its options. */
static void source_at(const char *from, uint32_t place, char *buffer, size_t size)
{
    for (; place && *from; place--) {
        from += strcspn(from, "|");
        from += *from == '|';
    }
    from += strspn(from, " ");
    snprintf(buffer, size, "%.*s", (int)strcspn(from, " |"), from);
}

static void settle(refit *r, nplug_menu_wish want)
{
    char theirs[NPLUG_BINDINGS_SIZE], mine[64] = "";

    if (want == NPLUG_MENU_WISH_CONFIRM)
        source_at(nplug_bindings(r->nest, 1, r->row), r->place, mine, sizeof mine);
    if (want == NPLUG_MENU_WISH_CONFIRM || want == NPLUG_MENU_WISH_LEFT) {
        nplug_bindings_replace(nplug_bindings(r->nest, 1, r->conflict.action), r->conflict.index,
                               mine, theirs, sizeof theirs);
        change(r, r->conflict.action, theirs);
    }
    if (want == NPLUG_MENU_WISH_CANCEL) {
        say(r, "It stays as it was.");
    } else {
        change(r, r->row, r->from);
        say(r, want == NPLUG_MENU_WISH_CONFIRM ? "They have changed places."
               : want == NPLUG_MENU_WISH_LEFT  ? "The other one has lost it."
                                               : "Both have it.");
    }
    r->mode = CHOOSES;
}

/* --- what the player does ------------------------------------------------------------------- */

static void begin_pick(refit *r)
{
    nplug_pick pick = nplug_pick_default();

    pick.player = 1;
    pick.wait_ms = 5000;
    pick.cancel = nplug_control_named("key:Escape");
    nplug_start_pick(r->nest, &pick);
    r->mode = PICKS;
    snprintf(r->said, sizeof r->said, "Use the control for the %s (5 s; Escape leaves it) ...",
             nplug_action_name(r->nest, r->row));
    r->changed = true;
}

static void choose(refit *r, nplug_menu_wish want)
{
    switch (want) {
    case NPLUG_MENU_WISH_UP:
    case NPLUG_MENU_WISH_DOWN:
        r->row = (r->row + (want == NPLUG_MENU_WISH_UP ? SHOWN - 1u : 1u)) % SHOWN;
        say(r, "");
        break;
    case NPLUG_MENU_WISH_CONFIRM:
        begin_pick(r);
        break;
    case NPLUG_MENU_WISH_LEFT:
        take_back(r);
        break;
    case NPLUG_MENU_WISH_RIGHT:
        change(r, r->row, NULL);
        say(r, "As the game has it.");
        break;
    case NPLUG_MENU_WISH_NEXT:
        save(r);
        break;
    case NPLUG_MENU_WISH_RESTORE:
        nplug_restore(r->nest, 1);
        say(r, "Everything is as the game has it.");
        break;
    case NPLUG_MENU_WISH_CANCEL:
        r->over = true;
        break;
    default:
        break;
    }
}

static void hear_pick(void *user, nplug_nest *nest, const nplug_event *event)
{
    refit *r = (refit *)user;
    nplug_source source = nplug_event_source(event);

    (void)nest;
    r->group++;
    r->mode = CHOOSES;
    if (event->flags)
        say(r,
            event->flags & NPLUG_EVENT_FLAG_LATE ? "Nothing was used in time." : "Left as it was.");
    else
        take(r, event->device, source);
}

static void hear_bound(void *user, nplug_nest *nest, const nplug_event *event)
{
    (void)nest, (void)event;
    ((refit *)user)->changed = true;
}

static void play(refit *r)
{
    static const nplug_handler table[] = {{NPLUG_EVENT_PICK, NPLUG_EVERY_ACTION, hear_pick},
                                          {NPLUG_EVENT_BOUND, NPLUG_EVERY_ACTION, hear_bound}};
    nplug_menu_press press;

    for (uint32_t i = 0; nplug_menu_at(r->nest, MENU, i, &press); i++) {
        r->group++;
        if (r->mode == CHOOSES)
            choose(r, press.wish);
        else if (r->mode == ASKS && press.wish != NPLUG_MENU_WISH_UP &&
                 press.wish != NPLUG_MENU_WISH_DOWN)
            settle(r, press.wish);
    }
    nplug_dispatch(r->nest, table, 2, r);
    if (r->changed) draw(r);
}

/* --- running -------------------------------------------------------------------------------- */

static bool frame(void *user, nplug_nest *nest)
{
    refit *r = (refit *)user;

    (void)nest;
    play(r);
    return !r->over;
}

int main(int argc, char **argv)
{
    nplug_game game = nplug_game_for_one("refit", actions, sizeof actions / sizeof *actions);
    static refit r;
    nplug_notes notes;
    const char *trace = argc > 1 ? argv[1] : NULL;
    nplug_result result;
    char line[500];
    int status;

    game.policies = rules;
    game.policy_count = sizeof rules / sizeof *rules;
    game.layers = layers;
    game.layer_count = 2;
    r.path = argc > 2 ? argv[2] : "refit.settings";
    r.changed = true;
    result = nplug_settings_read(r.path, &r.settings, &notes);
    if (result == NPLUG_ERR_NO_FILE) r.settings = nplug_settings_new();
    if (!r.settings) { /* it is there, and cannot be read: it stays as it is */
        nplug_note_text(&notes, 0, line, sizeof line);
        fprintf(stderr, "%s\n", line);
        return 1;
    }
    r.nest = stage_open(&game, trace);
    if (!r.nest) return 1;
    nplug_settings_use_player(r.settings, r.nest, 1, "skipper");
    status = stage_play(r.nest, trace, frame, &r);
    nplug_settings_free(r.settings);
    return status;
}
