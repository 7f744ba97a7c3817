/* Prompts: what to show a player for an action, true after every pick, comfort, layer and change of
 * device.  A library of its own, nestplug::prompts, made of the nest's public calls: a game that
 * shows no prompts links none of it.  No heap. */
#ifndef NESTPLUG_PROMPT_H
#define NESTPLUG_PROMPT_H

#include "bind.h"
#include "language.h"

#ifdef __cplusplus
extern "C" {
#endif

/* How surely a label is what is printed there. */
typedef enum nplug_certainty {
    NPLUG_CERTAINTY_PRINTED =
        0,                  /* by the sheet of just this device, or the person's keyboard layout */
    NPLUG_CERTAINTY_FAMILY, /* by the prints of its family */
    NPLUG_CERTAINTY_PLACE,  /* by where it is, which is true of every device of its kind */
    NPLUG_CERTAINTY_NAME    /* by the control's own name: nobody knows more */
} nplug_certainty;

/* What a part of a prompt is for. */
typedef enum nplug_prompt_role {
    NPLUG_PROMPT_ROLE_PRESS = 0, /* it drives the action */
    NPLUG_PROMPT_ROLE_HELD,      /* it is held besides */
    NPLUG_PROMPT_ROLE_UP,        /* one of four, in this order */
    NPLUG_PROMPT_ROLE_DOWN,
    NPLUG_PROMPT_ROLE_LEFT,
    NPLUG_PROMPT_ROLE_RIGHT,
    NPLUG_PROMPT_ROLE_LOW, /* one of two, in this order */
    NPLUG_PROMPT_ROLE_HIGH
} nplug_prompt_role;

/* What else is to be known of a part; bits. */
typedef enum nplug_prompt_flag {
    NPLUG_PROMPT_FLAG_RIGHT_TO_LEFT = 1 /* its label is written so: a key of a Hebrew layout */
} nplug_prompt_flag;

/* One control of a prompt.  All texts are UTF-8 with a terminating 0, cut between characters. */
typedef struct nplug_prompt_part {
    nplug_control control;
    uint16_t way;     /* an nplug_way */
    uint8_t role;     /* an nplug_prompt_role */
    uint8_t certain;  /* an nplug_certainty */
    uint32_t flags;   /* nplug_prompt_flag */
    char picture[48]; /* the name of its picture: "pad-south", "pad-stick-left-up"; "key" is a blank
                         cap for the label; "zone-horn" is the game's own */
    char label[40];   /* short: "K", "Enter", "left stick \xe2\x86\x91" */
    char words[64];   /* long: "bottom face button" */
} nplug_prompt_part;

#define NPLUG_PROMPT_PARTS 8

/* What to show.  Those that are held come first, in the order of the binding's text. */
typedef struct nplug_prompt {
    uint32_t size;     /* sizeof(nplug_prompt), set by the caller */
    uint32_t kind;     /* an nplug_device_kind: of what it is shown; 0 where nothing is */
    char family[24];   /* of whose prints; "" where they are not known */
    uint32_t gesture;  /* an nplug_gesture */
    uint32_t taps;     /* of a tap, how many presses */
    uint32_t wait_us;  /* of a hold, how long it lasts */
    uint32_t certain;  /* an nplug_certainty: the least of its parts */
    uint32_t count;    /* of parts; 0: nothing is to be shown, and takes no room */
    uint32_t reserved; /* 0 */
    const nplug_language *language; /* of its labels and texts, set by the caller; NULL: English */
    nplug_prompt_part parts[NPLUG_PROMPT_PARTS];
} nplug_prompt;

/* Fills *prompt with what to show a player for an action now: of the bindings that serve, the first
 * that can be done on the player's active set; where nothing was used yet, on any device of the
 * player's, and where there is none, the first of all by its names.  Nothing (count 0) where the
 * action's layer is off, it is bound to nothing, or not on what the player uses.  NPLUG_NOBODY: on
 * what nobody has claimed, for "press ... to join".  Valid until the next step.  NPLUG_ERR_UNKNOWN:
 * no such action or player; NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_prompt_info(const nplug_nest *nest, nplug_player player,
                                         uint32_t action, nplug_prompt *prompt);

/* Likewise, what to show on any device of a family ("letters"), whether or not the player has one:
 * by its prints, or, where one is here, by that device's own.  Also what nplug_prompt_info shows
 * whose prompts are pinned to a family (nplug_following), as far as that can do the action.
 * NPLUG_ERR_UNKNOWN also: no sheet is of that family. */
NPLUG_API nplug_result nplug_family_prompt(const nplug_nest *nest, nplug_player player,
                                           uint32_t action, const char *family,
                                           nplug_prompt *prompt);

/* Likewise, what to show for one offer (nplug_offer_info), whether or not it serves now: for a
 * screen that lists all that a player can do.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_offer_prompt(const nplug_nest *nest, const nplug_offer *offer,
                                          nplug_prompt *prompt);

/* Likewise, what to show for one control, or a way of it, on a device, or on none that is known
 * (0): "K is the winch's already".  NPLUG_ERR_UNKNOWN: no such control; NPLUG_ERR_ARGUMENT,
 * NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_source_prompt(const nplug_nest *nest, nplug_device device,
                                           nplug_source source, nplug_prompt *prompt);

/* Prompts that are kept from step to step, and found anew only when something happened by which
 * they may be others. */
typedef struct nplug_prompter nplug_prompter;

/* Bytes that a prompter for so many prompts needs. */
NPLUG_API size_t nplug_prompter_memory_needed(uint32_t prompts);

/* Opens a prompter in the caller's block (aligned as malloc's); there is nothing to close.  NULL:
 * the block is too small or NULL. */
NPLUG_API nplug_prompter *nplug_prompter_open(uint32_t prompts, void *block, size_t size);

/* Keeps the prompt of a player's action from the next nplug_prompter_step on; its place, from 0, in
 * *place (may be NULL).  NPLUG_ERR_FULL, NPLUG_ERR_ARGUMENT. */
NPLUG_API nplug_result nplug_prompter_keep(nplug_prompter *prompter, nplug_player player,
                                           uint32_t action, uint32_t *place);

/* Shows the prompt at a place until its action was done `times` times (0: always, as at the
 * beginning), of which `done` count already: for a new game 0, else as it was saved
 * (nplug_settings_learnt).  Done is a press; of a motion, which has none, each second in which it
 * moves; a pose is never learnt.  What was learnt shows nothing.  Counted from the next
 * nplug_prompter_step on. NPLUG_ERR_UNKNOWN: there is no such place; NPLUG_ERR_ARGUMENT. */
NPLUG_API nplug_result nplug_prompter_teach(nplug_prompter *prompter, uint32_t place,
                                            uint32_t times, uint32_t done);

/* How often the action of a place that is taught was done, at most as often as it had to be; 0
 * where it is not taught. */
NPLUG_API uint32_t nplug_prompter_done(const nplug_prompter *prompter, uint32_t place);

/* In which language the prompts are from the next nplug_prompter_step on: the caller's, for as long
 * as the prompter asks; NULL: English, as at the beginning. */
NPLUG_API nplug_result nplug_prompter_speak(nplug_prompter *prompter,
                                            const nplug_language *language);

/* After each nplug_step: how many of the prompts show something else than before.  Another device
 * with the same prompts changes none. */
NPLUG_API uint32_t nplug_prompter_step(nplug_prompter *prompter, const nplug_nest *nest);

/* The prompt at a place, valid until the next nplug_prompter_step, and in *changed (may be NULL)
 * whether it shows something else since the last one; NULL: there is no such place, or no step was
 * made. */
NPLUG_API const nplug_prompt *nplug_prompter_at(const nplug_prompter *prompter, uint32_t place,
                                                bool *changed);

/* Writes a prompt as a text ("hold K", "Ctrl + Q", "W, S, A, D"), in its language: of short labels,
 * or of long ones where `long_labels`.  A label that is written the other way than its language
 * stands between U+2068 and U+2069 (UAX #9: an isolate), so that the text around stays in order.
 * Terminated by 0, cut to `size` between characters; returns the length of the whole text, 0 where
 * nothing is to be shown. */
NPLUG_API size_t nplug_prompt_text(const nplug_prompt *prompt, bool long_labels, char *buffer,
                                   size_t size);

/* A piece of a prompt or of a sentence, in the order in which they are read. */
typedef struct nplug_run {
    const char *text;       /* UTF-8 without a terminating 0, in the sentence, in the language or
                               static; NULL: a control, which can be drawn as its picture */
    size_t length;          /* of `text`, in bytes */
    nplug_prompt_part part; /* the control, where there is no text */
} nplug_run;

/* Writes the runs of a prompt ("hold ", then a control), at most `room`, in the order of its
 * language.  Returns how many there are, 0 where nothing is to be shown. */
NPLUG_API size_t nplug_prompt_runs(const nplug_prompt *prompt, nplug_run *runs, size_t room);

/* Likewise of a sentence with actions in braces, "Press {horn} to call": each is what
 * nplug_prompt_info shows the player, in a language (NULL: English).  0: one of them cannot be done
 * now, so the sentence is not to be shown and takes no room.  A name that no action has stays in
 * the text with its braces, to be seen, and the log says the nearest name; "{{" is a brace. */
NPLUG_API size_t nplug_sentence_runs(const nplug_nest *nest, nplug_player player,
                                     const char *sentence, const nplug_language *language,
                                     nplug_run *runs, size_t room);

/* Likewise as a text, as nplug_prompt_text writes: "Press K to call". */
NPLUG_API size_t nplug_sentence_text(const nplug_nest *nest, nplug_player player,
                                     const char *sentence, bool long_labels,
                                     const nplug_language *language, char *buffer, size_t size);

/* The word for a number of an nplug_certainty: static, never NULL; "unknown" for a number that is
 * none. */
NPLUG_API const char *nplug_certainty_name(uint32_t number);

/* The word for a number of an nplug_prompt_role, likewise. */
NPLUG_API const char *nplug_prompt_role_name(uint32_t number);

#ifdef __cplusplus
}
#endif
#endif
