/* What the files of this room need of each other, and no other room does; from the ground up. */
#ifndef NP_ACTION_INSIDE_H
#define NP_ACTION_INSIDE_H

#include "core/action/action.h"

/* --- links (links.c) ---------------------------------------------------------------------------
 */

/* One control of a device drives a source, whatever its name is; false where there is no room. */
bool np_links_add_control(np_action_room *room, uint32_t source, uint32_t control);

/* Takes a link out of its control's list and its source's. */
void np_links_drop(np_sources *sources, uint32_t at);

/* Whether a device is one of those that a source may be of. */
bool np_links_suits(const np_action_room *room, uint32_t device, uint32_t source);

/* Which number of a control a way reads, and whether it counts downwards. */
static inline unsigned np_links_component(uint32_t way)
{
    return way == NPLUG_WAY_Y || way == NPLUG_WAY_UP || way == NPLUG_WAY_DOWN;
}

static inline bool np_links_is_reversed(uint32_t way)
{
    return way == NPLUG_WAY_LEFT || way == NPLUG_WAY_DOWN;
}

/* A whole stick has no press: its links only give values. */
static inline bool np_links_has_press(const np_control *control, const np_source *source)
{
    return (control->components == 1 || source->way != NPLUG_WAY_WHOLE) &&
           control->nature != NPLUG_NATURE_DELTA;
}

/* What a source that has a press reads of a control's value. */
static inline float np_links_one(const np_source *source, nplug_vec2 value)
{
    float one = np_links_component(source->way) ? value.y : value.x;
    return np_links_is_reversed(source->way) ? 0.0f - one : one;
}

/* One number of two is pressed to either side. */
static inline bool np_links_has_sides(const np_source *source)
{
    return source->way == NPLUG_WAY_X || source->way == NPLUG_WAY_Y;
}

/* Whether a control passes the threshold that a link waits for. */
static inline bool np_links_passes(const np_link *link, const np_source *source,
                                   const np_control *control)
{
    float value = np_links_one(source, np_controls_heard(control));

    if (np_links_has_sides(source) && value < 0.0f) value = 0.0f - value;
    return link->down ? value < source->release : value >= source->press;
}

/* A device by which a source is down for a player; 0 where it is not. */
nplug_device np_links_device(const np_action_room *room, uint32_t player, uint32_t source);

/* What a source reads of a control's value. */
nplug_vec2 np_links_read(const np_source *source, nplug_vec2 value);

/* How a binding reads its sources: shaped (NULL: as they are); deltas as a mean speed over `span`
 * microseconds (0: not at all), and what has ends as a speed where `moves`. */
typedef struct np_taste {
    const np_shaping *shaping;
    nplug_time span;
    bool moves;
} np_taste;

/* The strongest value that a player hears of a source; of deltas the sum. */
nplug_vec2 np_links_value(const np_action_room *room, uint32_t player, uint32_t source,
                          const np_taste *taste);

/* --- actions (actions.c) -----------------------------------------------------------------------
 */

/* A binding begins to hold an action; and holds it no longer. */
void np_actions_press(np_action_room *room, uint32_t player, uint32_t action,
                      const np_change *change);
void np_actions_release(np_action_room *room, uint32_t player, uint32_t action,
                        const np_change *change);

/* The value lane: another value; and that it is to be found again, or is found. */
void np_actions_set(np_action *state, nplug_vec2 value);
void np_actions_begin_motion(np_action *state);
void np_actions_move(np_action *state, nplug_vec2 way);
void np_actions_set_dirty(np_action *state, bool dirty);
void np_actions_keep(np_action *state, bool kept);

/* Says what an action has come to. */
void np_actions_tell_value(np_action_room *room, uint32_t player, uint32_t action, nplug_vec2 value,
                           nplug_time time);

/* Actions of a control, for all who hear it; one that was moved gives their values from now on. */
void np_marks_control(np_action_room *room, uint32_t control, bool moved);

/* What a binding came to for a player: NP_MARK_ bits; and bit by press of its source's machine,
 * whether that counts. */
static inline uint8_t *np_presses_marks(np_gestures *gestures, uint32_t player, uint32_t binding)
{
    return &gestures->marks[(size_t)player * gestures->binding_limit + binding];
}
static inline uint16_t *np_presses_row(np_gestures *gestures, uint32_t player, uint32_t binding)
{
    return &gestures->rows[(size_t)player * gestures->binding_limit + binding];
}

/* A binding presses its action, and holds that; comes up, and holds it no more, but where the
 * player wants presses to toggle; both at once, for a press that is over as soon as it is known;
 * lets go, whatever the player wants. */
void np_presses_fire(np_action_room *room, uint32_t player, uint32_t binding,
                     const np_change *change);
void np_presses_end(np_action_room *room, uint32_t player, uint32_t binding,
                    const np_change *change);
void np_presses_strike(np_action_room *room, uint32_t player, uint32_t binding,
                       const np_change *change);
void np_presses_release(np_action_room *room, uint32_t player, uint32_t binding,
                        const np_change *change);

/* Whether a player wants a press of a binding to hold until the next one. */
bool np_presses_toggle(const np_action_room *room, uint32_t player, uint32_t binding);

/* --- layers (layers.c) --------------------------------------------------------------------------
 */

/* Whether a source counts as held for a player. */
static inline bool np_gestures_held(const np_gestures *gestures, const np_sources *sources,
                                    uint32_t player, uint32_t source)
{
    return np_sources_down(sources, player, source) ||
           gestures->stuck[(size_t)player * gestures->source_limit + source];
}

/* Whether a binding takes part for a player: it is for them, its layer is on, and what must be held
 * for it is held. */
bool np_layers_admit(const np_action_room *room, uint32_t player, const np_binding *binding);

/* Whether a binding that takes part sees one of its sources: nothing of a higher rank takes the
 * source's control. */
static inline bool np_layers_see(const np_layers *layers, uint32_t player,
                                 const np_binding *binding, uint32_t source)
{
    return binding->rank >= layers->cover[(size_t)player * layers->source_limit + source];
}

/* As np_layers_cover_all, of the sources of one binding. */
void np_layers_cover_binding(np_action_room *room, uint32_t player, uint32_t binding,
                             nplug_time time);

/* --- readings (readings.c) -----------------------------------------------------------------------
 */

/* A source of a binding with a ramp has gone down or up: what it came to so far is kept. */
void np_readings_turn_ramp(np_action_room *room, uint32_t player, uint32_t binding, uint32_t source,
                           nplug_time time);

/* What a binding comes to for a player: of a motion its speed; what moves without ends as its mean
 * speed over `span` microseconds (0: not at all). */
nplug_vec2 np_readings_of(np_action_room *room, uint32_t player, uint32_t number, nplug_time time,
                          nplug_time span);

/* Whether anybody has any of a binding's controls: nearly half of all bindings have none.  What
 * falls goes on without.  And what a binding comes to that has. */
static inline bool np_readings_are_there(const np_action_room *room, const np_binding *binding)
{
    bool linked = binding->ramp != NP_NO_INDEX;

    for (uint32_t i = 0; i < binding->source_count; i++)
        linked |= room->sources.of_source[binding->source[i]] != NP_NO_INDEX;
    return linked;
}
nplug_vec2 np_readings_of_linked(np_action_room *room, uint32_t player, uint32_t number,
                                 nplug_time time, nplug_time span);

/* Looks at all whose controls moved lately, as the state of the room is by `time`.  To be called
 * before that changes. */
void np_latest_advance(np_action_room *room, nplug_time time);

/* Which binding of an action left its rest last and is away from it yet; NP_NO_INDEX where none is.
 */
uint32_t np_latest_of(np_action_room *room, uint32_t player, uint32_t action, nplug_time time);

/* --- taps (taps.c) -------------------------------------------------------------------------------
 */

/* A source goes down; comes up: a press that is cancelled belongs to no row, and ends those before
 * it; has been held so long that somebody has heard it as a hold. */
void np_taps_begin(np_machine *machine, const np_change *change);
void np_taps_end(np_machine *machine, const np_change *change);
void np_taps_outlast(np_action_room *room, uint32_t player, uint32_t source, np_machine *machine,
                     const np_change *change);

/* Tells all that is certain by now; a timer is set for what may become so by waiting. */
void np_taps_tell(np_action_room *room, uint32_t player, uint32_t source, np_machine *machine,
                  const np_change *change);

/* --- gestures (gestures.c) ----------------------------------------------------------------------
 */

static inline uint8_t np_gestures_marks(const np_gestures *gestures, uint32_t player,
                                        uint32_t binding)
{
    return gestures->marks[(size_t)player * gestures->binding_limit + binding];
}

/* A source went down or came up for a player. */
void np_gestures_turn(np_action_room *room, uint32_t player, uint32_t source,
                      const np_change *change, bool pressed);

/* What stays held by a source that is up, since the player wants presses to toggle, is let go. */
void np_gestures_release_stuck(np_action_room *room, uint32_t player, uint32_t source,
                               const np_change *change);

/* --- values and motions (values.c, motions.c) ----------------------------------------------------
 */

/* Nothing has been moved in this step yet. */
void np_motions_begin(np_action_room *room);

/* Moves all that a stick or a key drives up to a time: from the last time on, as fast as the state
 * of the room says.  To be called before that changes. */
void np_motions_advance(np_action_room *room, nplug_time time);

/* Where nothing is moved, time passes all the same. */
static inline void np_motions_pass(np_motions *motions, nplug_time time)
{
    motions->advanced = time;
}

/* --- zones (zones.c, area.c)
 * ----------------------------------------------------------------------
 */

/* A zone's signal `index` says something. */
static inline void np_zone_say(const np_zone_state *zone, uint32_t index, np_zone_how how,
                               int32_t value, np_zone_news *news)
{
    np_news_say(news, zone->first_signal + index, how, value);
}

/* A number as a raw value, rounded. */
static inline int32_t np_zone_raw(float value, float end)
{
    return (int32_t)(value * end + (value < 0.0f ? -0.5f : 0.5f));
}

/* An area's contacts: before one is counted as its, as one moved from somewhere, after one is no
 * more. */
void np_area_begin(np_action_room *room, np_zone_state *zone, uint32_t index, np_zone_news *news);
void np_area_move(np_action_room *room, np_zone_state *zone, const np_touched *touched,
                  np_zone_news *news);
void np_area_end(np_action_room *room, np_zone_state *zone, uint32_t index, np_zone_news *news);

/* --- picking (pick.c) ---------------------------------------------------------------------------
 */

#endif
