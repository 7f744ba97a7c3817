/* Recognition: which sheet fits a device. */
#ifndef NP_RECOGNISE_H
#define NP_RECOGNISE_H

#include "devices.h"
#include "nestplug/sheet.h"

#define NP_SHEET_SETS 5

typedef struct np_recognition {
    const nplug_sheet *sheet; /* NULL: not recognised */
    nplug_matched matched;
} np_recognition;

typedef struct np_recogniser {
    struct {
        const nplug_sheet *sheets;
        uint32_t count;
    } sets[NP_SHEET_SETS]; /* searched from the last added to the first */
    uint32_t set_count;
    np_recognition *of; /* by device */
} np_recogniser;

void np_recognise_layout(np_recogniser *recogniser, np_carve *carve, uint32_t devices);
bool np_recognise_add(np_recogniser *recogniser, const nplug_sheet *sheets, uint32_t count);

/* Finds the sheet of a device and keeps it. */
void np_recognise(np_recogniser *recogniser, const np_devices *devices, uint32_t device);

#endif
