/* Files: JSON in and out.  They fill the core's plain structs, and tell each mistake of a file by
 * line, column and the word that was expected. */
#ifndef NESTPLUG_FILES_H
#define NESTPLUG_FILES_H

#include "bind.h"
#include "calibrate.h"
#include "language.h"
#include "nest.h"
#include "sim.h"

#ifdef __cplusplus
extern "C" {
#endif

/* One thing that is wrong with a file. */
typedef struct nplug_note {
    uint32_t line, column; /* from 1; 0 where it concerns the whole file.  Columns count bytes. */
    bool warning;          /* the file was taken all the same */
    char text[200];        /* the mistake, and the word that was expected, UTF-8 */
} nplug_note;

/* The mistakes of a file, in the order in which they were found. */
typedef struct nplug_notes {
    char file[256]; /* the name that the file was read under */
    uint32_t count; /* how many notes are kept */
    uint32_t more;  /* how many more there were */
    nplug_note note[32];
} nplug_notes;

/* Writes a note as "FILE:LINE:COLUMN: TEXT" (for a warning "... warning: TEXT") with a terminating
 * 0; returns its length. */
NPLUG_API size_t nplug_note_text(const nplug_notes *notes, uint32_t index, char *buffer,
                                 size_t size);

/* The name of a signal's code as files write it: "ABS_X", "0x0001:0x0030" (a HID usage),
 * "trigger/value"; a number where its space has no names.  A contact's slot stands after it
 * ("ABS_MT_POSITION_X/2").  Writes UTF-8 with a terminating 0, returns its length. */
NPLUG_API size_t nplug_code_name(uint32_t space, uint32_t code, char *buffer, size_t size);

/* A trace that was read: moves (written by hand) or records (recorded), never both. */
typedef struct nplug_trace nplug_trace;

/* Reads a trace from a file.  *trace is NULL on an error, and *notes (never NULL) says what is
 * wrong; on success *notes may hold warnings.  NPLUG_ERR_NO_FILE where there is none;
 * NPLUG_ERR_FILE, NPLUG_ERR_FORMAT, NPLUG_ERR_MEMORY. */
NPLUG_API nplug_result nplug_trace_read(const char *path, nplug_trace **trace, nplug_notes *notes);

/* As nplug_trace_read, from memory; `name` stands for the file in messages. */
NPLUG_API nplug_result nplug_trace_parse(const char *text, size_t length, const char *name,
                                         nplug_trace **trace, nplug_notes *notes);

/* Frees a trace; NULL does nothing. */
NPLUG_API void nplug_trace_free(nplug_trace *trace);

/* The moves of a trace written by hand, in the file's order, and how many; the trace's own. */
NPLUG_API const nplug_move *nplug_trace_moves(const nplug_trace *trace, size_t *count);

/* The records of a recorded trace, and how many; the trace's own. */
NPLUG_API const nplug_record *nplug_trace_records(const nplug_trace *trace, size_t *count);

/* Adds a note at the place of a member ("model") of a trace's move or record; for mistakes that
 * only a port can find. */
NPLUG_API void nplug_trace_blame(const nplug_trace *trace, size_t index, const char *member,
                                 const char *text, nplug_notes *notes);

/* The nest of which a trace was recorded. */
typedef struct nplug_trace_facts {
    uint32_t size;    /* sizeof(nplug_trace_facts), set by the caller */
    bool recorded;    /* it holds records; else moves */
    bool follow_rest; /* nplug_setup.follow_rest */
    bool reserved[2]; /* 0 */
    uint64_t game;    /* nplug_game_digest */
    uint64_t given;   /* nplug_given_digest */
} nplug_trace_facts;

/* Fills *facts; digests are 0 of a trace that was written by hand.  NPLUG_ERR_ARGUMENT,
 * NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_trace_info(const nplug_trace *trace, nplug_trace_facts *facts);

/* Fills *limits with those of the nest that a trace was recorded of.  NPLUG_ERR_ORDER for a trace
 * that was written by hand; NPLUG_ERR_ARGUMENT, NPLUG_ERR_SIZE. */
NPLUG_API nplug_result nplug_trace_limits(const nplug_trace *trace, nplug_limits *limits);

/* A trace being written. */
typedef struct nplug_trace_writer nplug_trace_writer;

/* Begins a trace file for a nest that has its game and has not stepped yet.  NULL where the file
 * cannot be made (errno says why). */
NPLUG_API nplug_trace_writer *nplug_trace_writer_open(const char *path, nplug_nest *nest);

/* Takes the nest's records and writes them: to be called after each step.  NPLUG_ERR_FILE;
 * NPLUG_ERR_FULL where records were lost (nplug_limits.records is too small). */
NPLUG_API nplug_result nplug_trace_writer_write(nplug_trace_writer *writer);

/* Writes the records that are left, and ends.  NPLUG_ERR_FILE where not all could be written. */
NPLUG_API nplug_result nplug_trace_writer_close(nplug_trace_writer *writer);

/* A sheet that was read, with its own memory. */
typedef struct nplug_sheet_file nplug_sheet_file;

/* Reads a sheet; as nplug_trace_read. */
NPLUG_API nplug_result nplug_sheet_file_read(const char *path, nplug_sheet_file **file,
                                             nplug_notes *notes);

/* As nplug_sheet_file_read, from memory. */
NPLUG_API nplug_result nplug_sheet_file_parse(const char *text, size_t length, const char *name,
                                              nplug_sheet_file **file, nplug_notes *notes);

/* The sheet inside, for nplug_add_sheets: valid until the file is freed. */
NPLUG_API const nplug_sheet *nplug_sheet_file_sheet(const nplug_sheet_file *file);

/* Writes a sheet as a file that nplug_sheet_file_read takes: whole or not at all (a new file beside
 * it, synced, then renamed).  NPLUG_ERR_FILE (errno says why), NPLUG_ERR_ARGUMENT,
 * NPLUG_ERR_MEMORY. */
NPLUG_API nplug_result nplug_sheet_write(const nplug_sheet *sheet, const char *path);

/* The same as text: writes at most `size` bytes with a terminating 0, returns the whole length; 0
 * where the sheet is none. */
NPLUG_API size_t nplug_sheet_text(const nplug_sheet *sheet, char *buffer, size_t size);

/* Frees a sheet; NULL does nothing. */
NPLUG_API void nplug_sheet_file_free(nplug_sheet_file *file);

/* Settings: the calibrations, learnt sheets and profiles that a game keeps from one run to the
 * next. Members that a later version wrote, and this one does not know, are kept. */
typedef struct nplug_settings nplug_settings;

/* Empty settings; NULL where there is no memory. */
NPLUG_API nplug_settings *nplug_settings_new(void);

/* Reads settings; as nplug_trace_read. */
NPLUG_API nplug_result nplug_settings_read(const char *path, nplug_settings **settings,
                                           nplug_notes *notes);

/* As nplug_settings_read, from memory. */
NPLUG_API nplug_result nplug_settings_parse(const char *text, size_t length, const char *name,
                                            nplug_settings **settings, nplug_notes *notes);

/* Gives a nest its sheets and calibrations, before its first step; the settings must live as long
 * as the nest.  Errors as nplug_add_sheets. */
NPLUG_API nplug_result nplug_settings_use(const nplug_settings *settings, nplug_nest *nest);

/* Takes the calibrations of all devices that are here, in the place of earlier ones. */
NPLUG_API nplug_result nplug_settings_keep(nplug_settings *settings, const nplug_nest *nest);

/* Takes the bindings and the comfort in which a player differs from the game, as the profile of
 * that name, in the place of an earlier one. Entries for actions that this game does not have are
 * kept.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_MEMORY. */
NPLUG_API nplug_result nplug_settings_keep_player(nplug_settings *settings, const nplug_nest *nest,
                                                  nplug_player player, const char *profile);

/* Gives a player a person's profile, at the next step: all that is not in it is the game's again,
 * so a name that is not known gives the game's own.  NPLUG_PARTLY: there was no room for all of it;
 * step, and call again.  NPLUG_ERR_ARGUMENT; a wrong entry of a profile is passed over, and the log
 * tells of it. */
NPLUG_API nplug_result nplug_settings_use_player(const nplug_settings *settings, nplug_nest *nest,
                                                 nplug_player player, const char *profile);

/* Makes a profile like another one (NULL: with nothing in it), in the place of an earlier one; from
 * then on they differ.  What one person learnt is not copied to another.  NPLUG_ERR_UNKNOWN,
 * NPLUG_ERR_ARGUMENT, NPLUG_ERR_MEMORY. */
NPLUG_API nplug_result nplug_settings_copy_profile(nplug_settings *settings, const char *from,
                                                   const char *to);

/* Keeps how often a person did an action in one play-through (a name that the game chooses, for
 * each of its saved games; "" where it has but one), for nplug_prompter_teach; 0 keeps nothing of
 * it.  NPLUG_ERR_ARGUMENT, NPLUG_ERR_MEMORY. */
NPLUG_API nplug_result nplug_settings_keep_learnt(nplug_settings *settings, const char *profile,
                                                  const char *play, const char *action,
                                                  uint32_t done);

/* How often that was; 0 where nothing is kept of it. */
NPLUG_API uint32_t nplug_settings_learnt(const nplug_settings *settings, const char *profile,
                                         const char *play, const char *action);

/* Forgets all that was learnt in a play-through, or in all of them (NULL): a new game starts
 * afresh.  NPLUG_ERR_ARGUMENT. */
NPLUG_API nplug_result nplug_settings_forget_learnt(nplug_settings *settings, const char *profile,
                                                    const char *play);

/* How many profiles there are. */
NPLUG_API uint32_t nplug_settings_profile_count(const nplug_settings *settings);

/* The name of a profile by index, from 0, in the order in which they were made; NULL past the end.
 * Valid until the settings change. */
NPLUG_API const char *nplug_settings_profile_at(const nplug_settings *settings, uint32_t index);

/* Writes the settings into the caller's buffer, for a game that keeps them elsewhere: UTF-8 with a
 * terminating 0, cut to `size`; returns the length of the whole text, 0 where there is no memory.
 */
NPLUG_API size_t nplug_settings_text(const nplug_settings *settings, char *buffer, size_t size);

/* Takes a sheet, in the place of one of the same name.  A nest to which nplug_settings_use gave the
 * earlier one keeps that. */
NPLUG_API nplug_result nplug_settings_keep_sheet(nplug_settings *settings,
                                                 const nplug_sheet *sheet);

/* Writes them, whole or not at all; as nplug_sheet_write. */
NPLUG_API nplug_result nplug_settings_write(const nplug_settings *settings, const char *path);

/* Frees settings; NULL does nothing. */
NPLUG_API void nplug_settings_free(nplug_settings *settings);

/* A game that was read, with its own memory. */
typedef struct nplug_game_file nplug_game_file;

/* Reads a game: its actions in the file's order, their bindings, layers and seats; as
 * nplug_trace_read.  A mistake within a binding's text is told at its place in the file. */
NPLUG_API nplug_result nplug_game_file_read(const char *path, nplug_game_file **file,
                                            nplug_notes *notes);

/* As nplug_game_file_read, from memory. */
NPLUG_API nplug_result nplug_game_file_parse(const char *text, size_t length, const char *name,
                                             nplug_game_file **file, nplug_notes *notes);

/* The game inside, for nplug_use_game: valid until the file is freed, and a nest that uses it needs
 * it as long as it is open. */
NPLUG_API const nplug_game *nplug_game_file_game(const nplug_game_file *file);

/* Frees a game; NULL does nothing. */
NPLUG_API void nplug_game_file_free(nplug_game_file *file);

/* Tuning without a restart: gives a nest that runs the bindings of a game file that was read again,
 * at the next step.  Actions are matched by name, and stay held where their bindings are the same;
 * a player's own bindings stay.  *notes (in: the file's name) warns of changes that have to wait
 * for the next start: new actions, and other kinds.  Errors as nplug_bind; the file may be freed
 * after it. */
NPLUG_API nplug_result nplug_game_file_tune(const nplug_game_file *file, nplug_nest *nest,
                                            nplug_notes *notes);

/* Looks for likely mistakes, and adds a warning for each to *notes (in: the file's
 * name): actions bound to nothing or for one sort of device only, controls that no device has, the
 * same control twice in a layer (and a letter twice: as the key that the W3C names for it, and by
 * its label), chords that can never win, layers that nothing switches on.
 * `access`: and actions that some people cannot use, since they need a chord, rapid taps or a long
 * hold and have no simpler way.  Returns how many there were.  NPLUG_ERR_ARGUMENT is 0. */
NPLUG_API uint32_t nplug_game_file_check(const nplug_game_file *file, bool access,
                                         nplug_notes *notes);

/* Writes a C header with the numbers of a game's actions and layers and the digest that goes with
 * them, and where `tables`, const tables of the whole game, so that a program needs no file.  Whole
 * or not at all; NULL for the path is standard output.  NPLUG_ERR_FILE. */
NPLUG_API nplug_result nplug_game_file_write_c(const nplug_game_file *file, bool tables,
                                               const char *path);

/* A simulated model that was read, with its own memory. */
typedef struct nplug_model_file nplug_model_file;

/* Reads a model; as nplug_trace_read. */
NPLUG_API nplug_result nplug_model_file_read(const char *path, nplug_model_file **file,
                                             nplug_notes *notes);

/* As nplug_model_file_read, from memory. */
NPLUG_API nplug_result nplug_model_file_parse(const char *text, size_t length, const char *name,
                                              nplug_model_file **file, nplug_notes *notes);

/* The model inside, for nplug_sim_add_models: valid until the file is freed. */
NPLUG_API const nplug_sim_model *nplug_model_file_model(const nplug_model_file *file);

/* Frees a model; NULL does nothing. */
NPLUG_API void nplug_model_file_free(nplug_model_file *file);

/* A sort of VR controllers that was read, with its own memory: for the openxr port. */
typedef struct nplug_controller_file nplug_controller_file;

/* Reads which path of an OpenXR interaction profile is which control of a hand; as
 * nplug_trace_read. */
NPLUG_API nplug_result nplug_controller_file_read(const char *path, nplug_controller_file **file,
                                                  nplug_notes *notes);

/* As nplug_controller_file_read, from memory. */
NPLUG_API nplug_result nplug_controller_file_parse(const char *text, size_t length,
                                                   const char *name, nplug_controller_file **file,
                                                   nplug_notes *notes);

/* The profile inside, for nplug_openxr_setup.profiles: valid until the file is freed, which is
 * after the port is detached. */
NPLUG_API const struct nplug_openxr_profile *
nplug_controller_file_profile(const nplug_controller_file *file);

/* Frees it; NULL does nothing. */
NPLUG_API void nplug_controller_file_free(nplug_controller_file *file);

/* A language that was read, with its own memory: for prompts. */
typedef struct nplug_language_file nplug_language_file;

/* Reads the words of a language; as nplug_trace_read.  Words that are missing are no mistake: they
 * are English then, or of nplug_language.other where the caller says one. */
NPLUG_API nplug_result nplug_language_file_read(const char *path, nplug_language_file **file,
                                                nplug_notes *notes);

/* As nplug_language_file_read, from memory. */
NPLUG_API nplug_result nplug_language_file_parse(const char *text, size_t length, const char *name,
                                                 nplug_language_file **file, nplug_notes *notes);

/* The language inside, for nplug_prompt.language: valid until the file is freed. */
NPLUG_API const nplug_language *nplug_language_file_language(const nplug_language_file *file);

/* Frees a language; NULL does nothing. */
NPLUG_API void nplug_language_file_free(nplug_language_file *file);

#ifdef __cplusplus
}
#endif
#endif
