/* Profiles: what a person has learnt, by play-through and action. */
#ifndef NF_LEARNT_H
#define NF_LEARNT_H

#include "fields.h"

/* Notes what is wrong with the "learnt" of a profile. */
void nf_learnt_check(nf_doc *doc, const json_t *learnt, const char *pointer);

/* How often an action was done; 0 takes it away.  False without memory. */
bool nf_learnt_keep(json_t *profile, const char *play, const char *action, uint32_t done);
uint32_t nf_learnt_of(const json_t *profile, const char *play, const char *action);

/* Forgets a play-through, or all (NULL). */
void nf_learnt_forget(json_t *profile, const char *play);

#endif
