/* A sheet as JSON, for whatever file it stands in. */
#ifndef NF_SHEET_JSON_H
#define NF_SHEET_JSON_H

#include "nestplug/sheet.h"
#include <jansson.h>

json_t *nf_sheet_json(const nplug_sheet *sheet);

#endif
