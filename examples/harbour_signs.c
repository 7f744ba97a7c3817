/* Signs along the quay that tell what to press: they change with the device, what the player
 * picked, the keyboard's layout and the language, and go when the player has learnt.
 *
 *   harbour_signs           the hardware of this machine
 *   harbour_signs TRACE     simulated hardware, as a trace written by hand plays it */
#include "stage.h"
#include <stdio.h>
#include <stdlib.h>
#ifdef NPLUG_HAS_KEYMAP
#include <nestplug/keymap.h>
#endif

enum { STEER, HORN, WINCH, REFIT, TONGUE, SIGNS };

static const nplug_action_def actions[SIGNS] = {
    {"steer", NPLUG_ACTION_VECTOR, "pad:stick-left | keys:KeyW,KeyS,KeyA,KeyD", 0},
    {"horn", NPLUG_ACTION_BUTTON, "pad:south | key:KeyQ", 0},
    {"winch", NPLUG_ACTION_BUTTON, "pad:west hold=400 | key:KeyE hold=400", 0},
    {"refit", NPLUG_ACTION_BUTTON, "pad:select | key:F2", 0},
    {"tongue", NPLUG_ACTION_BUTTON, "pad:start | key:F3", 0},
};

/* Who has called so often needs no sign for it any more. */
#define CALLS 3

/* The signs in the game's languages. */
static const struct {
    const char *tag, *title, *sentences[SIGNS];
} tongues[] = {{"en",
                "Signs along the quay",
                {"Steer with {steer}.", "Press {horn} to call.", "To haul, {winch}.",
                 "Another control for the horn: {refit}.", "{tongue}: auf Deutsch"}},
               {"de",
                "Schilder am Kai",
                {"Mit {steer} steuern.", "Zum Rufen {horn} drücken.", "Zum Einholen {winch}.",
                 "Anderer Knopf fürs Horn: {refit}.", "{tongue}: in English"}}};
#define TONGUES (sizeof tongues / sizeof *tongues)

typedef struct quay {
    nplug_nest *nest;
    nplug_prompter *signs;
    unsigned tongue;
    bool marks; /* labels are drawn inverse, as caps; else in brackets */
} quay;

/* --- how it looks --------------------------------------------------------------------------- */

/* A label stands where a game would draw the picture that the part names. */
static void draw_run(const quay *q, const nplug_run *run)
{
    if (run->text)
        printf("%.*s", (int)run->length, run->text);
    else
        printf(q->marks ? "\033[7m %s \033[27m" : "[%s]", run->part.label);
}

/* A sign of what cannot be done, or is learnt, takes no room. */
static void draw_sign(const quay *q, uint32_t sign)
{
    const nplug_language *language = nplug_language_for(tongues[q->tongue].tag);
    const nplug_prompt *prompt = nplug_prompter_at(q->signs, sign, NULL);
    nplug_run runs[32];
    size_t count = nplug_sentence_runs(q->nest, 1, tongues[q->tongue].sentences[sign], language,
                                       runs, sizeof runs / sizeof *runs);

    if (prompt->count == 0 || count == 0) return;
    printf("  ");
    for (size_t i = 0; i < count; i++)
        draw_run(q, &runs[i]);
    printf("\n");
}

static void draw(const quay *q)
{
    stage_clear();
    printf("%6.2f s  %s\n", (double)nplug_nest_time(q->nest) / 1e6, tongues[q->tongue].title);
    for (uint32_t sign = 0; sign < SIGNS; sign++)
        draw_sign(q, sign);
    printf("\n");
    fflush(stdout);
}

/* --- what happens --------------------------------------------------------------------------- */

static void speak(quay *q, unsigned tongue)
{
    q->tongue = tongue % TONGUES;
    nplug_prompter_speak(q->signs, nplug_language_for(tongues[q->tongue].tag));
}

/* The control that was picked comes first from now on; the others stay. */
static void take(const quay *q, const nplug_event *event)
{
    char source[64], bindings[NPLUG_BINDINGS_SIZE];

    if (event->control == 0) return; /* nothing was used in time */
    nplug_source_name(nplug_event_source(event), source, sizeof source);
    snprintf(bindings, sizeof bindings, "%s | %s", source, nplug_bindings(q->nest, 1, HORN));
    nplug_bind(q->nest, 1, HORN, bindings);
}

static void hear(quay *q, const nplug_event *event)
{
    nplug_pick pick = nplug_pick_default();

    if (event->kind == NPLUG_EVENT_PICK) {
        take(q, event);
    } else if (event->kind == NPLUG_EVENT_PRESS && event->action == REFIT) {
        pick.player = 1;
        pick.wait_ms = 5000;
        nplug_start_pick(q->nest, &pick);
        printf("Use another control for the horn ...\n\n");
    } else if (event->kind == NPLUG_EVENT_PRESS && event->action == TONGUE) {
        speak(q, q->tongue + 1);
    }
}

static bool frame(void *user, nplug_nest *nest)
{
    quay *q = (quay *)user;

    for (uint32_t i = 0; i < nplug_event_count(nest); i++)
        hear(q, nplug_event_at(nest, i));
    if (nplug_prompter_step(q->signs, nest)) draw(q);
    return true;
}

/* What is printed on keys, where no window says so. */
static void use_layout(nplug_nest *nest)
{
#ifdef NPLUG_HAS_KEYMAP
    static nplug_keymap *keymap;

    if (nplug_keymap_open(NULL, NULL, &keymap) == NPLUG_OK)
        nplug_use_key_labels(nest, nplug_keymap_label, keymap);
#else
    (void)nest;
#endif
}

int main(int argc, char **argv)
{
    nplug_game game = nplug_game_for_one("signs", actions, SIGNS);
    const char *trace = argc > 1 ? argv[1] : NULL;
    size_t size = nplug_prompter_memory_needed(SIGNS);
    void *block = malloc(size);
    quay q = {stage_open(&game, trace), nplug_prompter_open(SIGNS, block, size), 0,
              stage_has_screen()};
    int status = 1;

    if (q.nest && q.signs) {
        if (!trace) use_layout(q.nest);
        for (uint32_t sign = 0; sign < SIGNS; sign++)
            nplug_prompter_keep(q.signs, 1, sign, NULL);
        nplug_prompter_teach(q.signs, HORN, CALLS, 0);
        speak(&q, 0);
        status = stage_play(q.nest, trace, frame, &q);
    }
    free(block);
    return status;
}
