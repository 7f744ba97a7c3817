/* Reading a whole file of any sort: its head, and what becomes of it. */
#include "document.h"
#include <stdlib.h>
#include <string.h>

static void check_head(nf_doc *doc, const nf_sort *sort)
{
    json_int_t version;

    if (!nf_check(doc, doc->root, "", sort->object)) return;
    if (strcmp(nf_string(doc->root, "nestplug", ""), sort->word) != 0)
        nf_error(doc, "/nestplug", "\"%s\" is expected: this file is something else", sort->word);
    version = json_integer_value(json_object_get(doc->root, "version"));
    if (version >= 1 && version <= sort->version) return;
    if (sort->version == 1)
        nf_error(doc, "/version", "this library reads version 1 of %s", sort->many);
    else
        nf_error(doc, "/version", "this library reads versions 1 to %d of %s", sort->version,
                 sort->many);
}

nplug_result nf_parse(const nf_sort *sort, const char *text, size_t length, const char *name,
                      void **out, nplug_notes *notes)
{
    void *file;
    nf_doc doc;

    if (!text || !name || !out || !notes) return NPLUG_ERR_ARGUMENT;
    *out = NULL;
    doc = nf_doc_begin(text, length, name, notes);
    file = calloc(1, sort->size);
    if (!file) return NPLUG_ERR_MEMORY;
    if (nf_doc_parse(&doc)) check_head(&doc, sort);
    if (!doc.failed) sort->read(&doc, file);
    memcpy((char *)file + sort->root, &doc.root, sizeof doc.root);
    if (doc.failed) {
        sort->free(file);
        return NPLUG_ERR_FORMAT;
    }
    *out = file;
    return NPLUG_OK;
}

nplug_result nf_parse_file(const nf_sort *sort, const char *path, void **out, nplug_notes *notes)
{
    nplug_result result;
    size_t length;
    char *text;

    if (!path || !out || !notes) return NPLUG_ERR_ARGUMENT;
    *out = NULL;
    nf_notes_begin(notes, path);
    text = nf_read_file(path, &length, notes, &result);
    if (!text) return result;
    result = nf_parse(sort, text, length, path, out, notes);
    free(text);
    return result;
}
