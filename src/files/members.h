/* Members that several sorts of file have: numbers, buses, words, codes. */
#ifndef NF_MEMBERS_H
#define NF_MEMBERS_H

#include "fields.h"
#include "nestplug/report.h"

/* Room for one more in a list from malloc, zeroed; NULL where there is no memory. */
void *nf_one_more(void **list, size_t used, size_t *room, size_t size);
void nf_no_memory(nf_doc *doc, const char *pointer);

/* A member that is an object, made where it is not there yet; NULL without memory. */
json_t *nf_object_in(json_t *parent, const char *name);

/* The one of five members that says which signal; false with an error. */
bool nf_read_code(nf_doc *doc, const json_t *object, const char *pointer, uint8_t *space,
                  uint32_t *code);

/* A code by its name, which stands `at` a place; false with an error. */
bool nf_code_text(nf_doc *doc, nplug_space space, const char *name, const char *at, uint32_t *code);

/* A member that is "low" or "high": true where it is there and right. */
bool nf_is_low(nf_doc *doc, const json_t *object, const char *member, const char *pointer,
               bool *low);

#endif
