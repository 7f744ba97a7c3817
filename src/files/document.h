/* A sort of file: what it is called, what its object holds, and who reads the rest. */
#ifndef NF_DOCUMENT_H
#define NF_DOCUMENT_H

#include "members.h"
#include "objects.h"

typedef struct nf_sort {
    const char *word, *many; /* "game", "games" */
    int version;             /* the newest; older ones are read, too */
    const nf_object *object; /* what its root holds; "nestplug" and "version" among it */
    size_t size, root;       /* of the struct that is made, and where in that its JSON is kept */
    void (*read)(nf_doc *doc, void *file); /* the root was checked; errors are noted */
    void (*free)(void *file);              /* whatever was read, the JSON included */
} nf_sort;

/* Reads a text as a file of some sort: NPLUG_ERR_ARGUMENT, _MEMORY, or _FORMAT with notes. */
nplug_result nf_parse(const nf_sort *sort, const char *text, size_t length, const char *name,
                      void **out, nplug_notes *notes);

/* The same of a file; NPLUG_ERR_FILE, too. */
nplug_result nf_parse_file(const nf_sort *sort, const char *path, void **out, nplug_notes *notes);

#endif
