/* All objects that files may hold, by the tables that read them: a test holds the schemas against
 * these. */
#ifndef NF_OBJECTS_H
#define NF_OBJECTS_H

#include "fields.h"

extern const nf_object nf_game_object, nf_layer_object, nf_action_object, nf_seats_object,
    nf_sheet_object, nf_vector_object, nf_sensor_object, nf_pose_object, nf_wire_object,
    nf_match_object, nf_match_axis_object, nf_model_object, nf_controller_object, nf_hands_object,
    nf_signal_object, nf_row_object, nf_settings_object, nf_calibration_object, nf_profile_object,
    nf_zone_object, nf_zone_wish_object, nf_language_object;

/* Those of a trace's lines, one after the other; NULL at the end. */
const nf_object *nf_trace_object(size_t place);

#endif
