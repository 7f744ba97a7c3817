/* Profiles: what a person has otherwise than the game, within settings. */
#ifndef NF_PROFILES_H
#define NF_PROFILES_H

#include "fields.h"
#include "nestplug/bind.h"

/* Notes what is wrong with the profiles of a document. */
void nf_profiles_check(nf_doc *doc);

/* Version 1 had no profiles: there are none yet, and the document is of the present version. */
void nf_profiles_migrate(nf_doc *doc);

nplug_result nf_profile_keep(json_t *root, const nplug_nest *nest, nplug_player player,
                             const char *name);
nplug_result nf_profile_use(const json_t *root, nplug_nest *nest, nplug_player player,
                            const char *name);
nplug_result nf_profile_keep_learnt(json_t *root, const char *name, const char *play,
                                    const char *action, uint32_t done);
uint32_t nf_profile_learnt(const json_t *root, const char *name, const char *play,
                           const char *action);
void nf_profile_forget_learnt(json_t *root, const char *name, const char *play);
nplug_result nf_profile_copy(json_t *root, const char *from, const char *to);

#endif
