/* Before the first step.
 *
 * Owns nothing.  Comes in: ports, sheets, the game, what is known from before.  Goes out: the
 * rooms, furnished. */
#include "core/calls/calls.h"
#include "nestplug/calibrate.h"

nplug_result nplug_attach(nplug_nest *nest, const nplug_port *port, void *self)
{
    return nest ? np_feed_attach(&nest->feed, port, self) : NPLUG_ERR_ARGUMENT;
}

nplug_result nplug_detach(nplug_nest *nest, void *self)
{
    if (!nest) return NPLUG_ERR_ARGUMENT;
    return np_feed_detach(&nest->feed, self) ? NPLUG_OK : NPLUG_ERR_UNKNOWN;
}

/* Whether a sheet, and the rows of its tables, have at least what was first released; 0 is that. */
static bool are_rows_known(const nplug_sheet *sheet, uint32_t size)
{
    return sheet->size == size && size >= NP_FIRST(nplug_sheet, print_size) &&
           (!sheet->rule_size || sheet->rule_size >= NP_FIRST(nplug_rule, flat)) &&
           (!sheet->wire_size || sheet->wire_size >= NP_FIRST(nplug_wire, max)) &&
           (!sheet->print_size || sheet->print_size >= NP_FIRST(nplug_print, text));
}

nplug_result nplug_add_sheets(nplug_nest *nest, const nplug_sheet *sheets, uint32_t count)
{
    if (!nest || (count && !sheets)) return NPLUG_ERR_ARGUMENT;
    for (uint32_t i = 0; i < count; i++)
        if (!are_rows_known(np_sheet_row(sheets, i), sheets->size)) return NPLUG_ERR_SIZE;
    if (nest->started) return NPLUG_ERR_ORDER;
    return np_recognise_add(&nest->device.recogniser, sheets, count);
}

nplug_result nplug_use_calibrations(nplug_nest *nest, const nplug_calibration *list, uint32_t count)
{
    if (!nest || (count && !list)) return NPLUG_ERR_ARGUMENT;
    if (nest->started) return NPLUG_ERR_ORDER;
    np_calibrate_know(&nest->device.calibrations, list, count);
    return NPLUG_OK;
}

nplug_result nplug_use_game(nplug_nest *nest, const nplug_game *def)
{
    nplug_result result;

    if (!nest || !def) return NPLUG_ERR_ARGUMENT;
    if (nest->started) return NPLUG_ERR_ORDER;
    result = np_game_take(&nest->game, def);
    if (result != NPLUG_OK) return result;
    np_players_begin(&nest->player);
    np_layers_begin(&nest->action.layers, &nest->game.game);
    return NPLUG_OK;
}
