/* A game file that was read: what its reader and its checker share. */
#ifndef NF_GAME_FILE_H
#define NF_GAME_FILE_H

#include "members.h"
#include "nestplug/player.h"

/* A part of an action's text of bindings: where it begins there, and where it stands in the file.
 */
typedef struct nf_game_part {
    uint32_t action;
    size_t begin;
    char pointer[112];
    bool is_object; /* its options are members */
} nf_game_part;

struct nplug_game_file {
    nplug_game game;
    char *text; /* the file's */
    size_t length;
    json_t *root; /* owns the names */
    nplug_action_def *actions;
    char **from; /* by action; from malloc */
    nplug_layer_def *layers;
    nplug_zone_def *zones;
    nplug_action_policy *rules;
    nplug_band *bands;
    nf_game_part *parts;
    size_t part_count;
    nplug_part_def shares[NPLUG_PARTS_MAX]; /* how keyboards are shared */
    char *share_keys[NPLUG_PARTS_MAX];      /* from malloc */
};

/* Reads who may play: seats, how keyboards are shared, and what is heard without focus
 * (game_seats.c). */
void nf_game_read_seats(nf_doc *doc, nplug_game_file *file);

/* Reads zones of touch surfaces, after the layers (game_zones.c). */
void nf_game_read_zones(nf_doc *doc, nplug_game_file *file);

/* Notes something about an action's bindings, at a column of their text (from 1). */
void nf_game_note(nf_doc *doc, const nplug_game_file *file, uint32_t action, uint32_t column,
                  bool warning, const char *text);

#endif
