#include "recognise.h"

void np_recognise_layout(np_recogniser *recogniser, np_carve *carve, uint32_t devices)
{
    recogniser->of = (np_recognition *)np_carve_take(carve, devices, sizeof(np_recognition));
}

bool np_recognise_add(np_recogniser *recogniser, const nplug_sheet *sheets, uint32_t count)
{
    if (recogniser->set_count == NP_SHEET_SETS) return false;
    recogniser->sets[recogniser->set_count].sheets = sheets;
    recogniser->sets[recogniser->set_count].count = count;
    recogniser->set_count++;
    return true;
}

static nplug_matched fits(const nplug_match *match, const np_device *device)
{
    if (match->vendor != device->vendor || match->product != device->product)
        return NPLUG_MATCHED_NONE;
    if (match->bus == device->bus) return NPLUG_MATCHED_NUMBERS;
    return match->bus == 0 ? NPLUG_MATCHED_NO_BUS : NPLUG_MATCHED_NONE;
}

/* The surer way wins; of two equally sure, the one that is there already. */
static bool surer(nplug_matched a, nplug_matched b)
{
    return a != NPLUG_MATCHED_NONE && (b == NPLUG_MATCHED_NONE || a < b);
}

static void try_sheet(np_recognition *best, const nplug_sheet *sheet, const np_device *device)
{
    for (uint32_t i = 0; i < sheet->match_count; i++) {
        nplug_matched matched = fits(&sheet->matches[i], device);
        if (!surer(matched, best->matched)) continue;
        best->sheet = sheet;
        best->matched = matched;
    }
}

void np_recognise(np_recogniser *recogniser, const np_devices *devices, uint32_t device)
{
    np_recognition best = {NULL, NPLUG_MATCHED_NONE};

    for (uint32_t set = recogniser->set_count; set-- > 0;)
        for (uint32_t i = 0; i < recogniser->sets[set].count; i++)
            try_sheet(&best, &recogniser->sets[set].sheets[i], &devices->list[device]);
    recogniser->of[device] = best;
}
