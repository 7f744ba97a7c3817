/* A sheet being read: what its two files share. */
#ifndef NF_SHEET_READER_H
#define NF_SHEET_READER_H

#include "members.h"
#include "nestplug/sheet.h"

struct nplug_sheet_file {
    nplug_sheet sheet;
    json_t *root; /* owns the texts */
    nplug_rule *matches;
    nplug_wire *wires;
    nplug_print *prints;
    uint32_t *codes; /* of the matches' has and lacks */
};

/* What is being read into. */
typedef struct nf_sheet_reader {
    nf_doc *doc;
    nplug_sheet_file *file;
    size_t match_room, wire_room, print_room, code_room, code_count;
} nf_sheet_reader;

/* Reads all match rules (sheet_match.c). */
void nf_sheet_matches(nf_sheet_reader *in);

/* The number of a kind's word in a member; 0 where it is missing, or with an error. */
uint16_t nf_sheet_kind(nf_sheet_reader *in, const json_t *object, const char *pointer,
                       const char *member);

#endif
