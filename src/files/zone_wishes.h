/* Profiles: how a person wants the zones of touch surfaces. */
#ifndef NF_ZONE_WISHES_H
#define NF_ZONE_WISHES_H

#include "fields.h"
#include "nestplug/base.h"

/* Notes what is wrong with the "zones" of a profile. */
void nf_zone_wishes_check(nf_doc *doc, const json_t *wishes, const char *pointer);

/* Keeps what a player wants otherwise than the game in a profile; and asks a nest for that.
 * NPLUG_PARTLY: as far as there is room. */
void nf_zone_wishes_keep(json_t *profile, const nplug_nest *nest, nplug_player player);
nplug_result nf_zone_wishes_use(const json_t *profile, nplug_nest *nest, nplug_player player);

#endif
