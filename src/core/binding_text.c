/* Binding texts: "pad:stick-left dead=0.1 | keys:KeyW,KeyS,KeyA,KeyD". */
#include "binding_text.h"
#include "controls.h"
#include "nest.h"
#include <string.h>

/* Says what is wrong: `action "steer", column 12: WHAT`; where it concerns one word, names it. */
bool np_reader_fail(np_reader *in, const char *what, const char *word, size_t length)
{
    char line[256];
    np_text text = np_text_in(line, sizeof line);

    np_text_add(&text, "action \"");
    np_text_add(&text, in->action->name);
    np_text_add(&text, "\", column ");
    np_text_add_number(&text, (uint64_t)((word ? word : in->at) - in->action->from) + 1);
    np_text_add(&text, ": ");
    if (word) {
        np_text_add(&text, "\"");
        np_text_add_bytes(&text, word, length);
        np_text_add(&text, "\" ");
    }
    np_text_add(&text, what);
    np_log_line(in->nest, line);
    if (in->result == NPLUG_OK) in->result = NPLUG_ERR_BINDING;
    return false;
}

static bool fail_limit(np_reader *in, const char *limit)
{
    np_reader_fail(in, limit, NULL, 0);
    in->result = NPLUG_ERR_FULL;
    return false;
}

static bool fail_name(np_reader *in, const char *full, const char *word, size_t length)
{
    nplug_control near = nplug_control_nearest(full, strlen(full));
    char name[48], what[96];
    np_text text = np_text_in(what, sizeof what);

    np_text_add(&text, "is no control");
    if (near) {
        nplug_control_name(near, name, sizeof name);
        np_text_add(&text, "; did you mean ");
        np_text_add(&text, name);
        np_text_add(&text, "?");
    }
    return np_reader_fail(in, what, word, length);
}

/* The source of a control with these thresholds, made where it is not there yet. */
static uint32_t make_source(np_game *game, nplug_control control, float press, float release)
{
    uint32_t found = np_game_source(game, control);
    np_source *source;

    while (found != NP_NO_INDEX &&
           (game->sources[found].press != press || game->sources[found].release != release))
        found = np_game_same_control(game, found);
    if (found != NP_NO_INDEX || game->source_count == game->source_limit) return found;
    found = game->source_count++;
    source = &game->sources[found];
    source->control = control;
    source->press = press;
    source->release = release;
    source->first_use = NP_NO_INDEX;
    source->next = game->bucket[control % NP_SOURCE_BUCKETS];
    game->bucket[control % NP_SOURCE_BUCKETS] = (uint16_t)found;
    return found;
}

static bool add_source(np_reader *in, np_binding *binding, nplug_control control)
{
    np_game *game = in->game;
    uint32_t source = make_source(game, control, in->shaping.press, in->shaping.release);
    np_use *use = &game->uses[game->use_count];
    uint16_t *at;

    if (source == NP_NO_INDEX) return fail_limit(in, "there is no room: raise limits.sources");
    binding->source[binding->source_count++] = (uint16_t)source;
    use->binding = (uint16_t)game->binding_count;
    use->next = NP_NO_INDEX;
    for (at = &game->sources[source].first_use; *at != NP_NO_INDEX;)
        at = &game->uses[*at].next;
    *at = (uint16_t)game->use_count++;
    return true;
}

/* One control's word up to ',', a blank or the end; `class_` is put before it where it has none. */
static bool read_control(np_reader *in, const char *class_)
{
    const char *word = in->at;
    char full[64];
    np_text text = np_text_in(full, sizeof full);
    nplug_control control;

    while (in->at < in->end && *in->at != ',' && *in->at != ' ')
        in->at++;
    if (in->at == word) return np_reader_fail(in, "a control is missing", NULL, 0);
    np_text_add(&text, class_);
    np_text_add_bytes(&text, word, (size_t)(in->at - word));
    control = nplug_control_from_name(full, text.length);
    if (!control) return fail_name(in, full, word, (size_t)(in->at - word));
    in->controls[in->control_count++] = control;
    return true;
}

static bool starts_with(const np_reader *in, const char *word)
{
    size_t length = strlen(word);
    return (size_t)(in->end - in->at) >= length && memcmp(in->at, word, length) == 0;
}

static bool read_keys(np_reader *in, np_binding *binding)
{
    const char *word = in->at;

    in->at += strlen("keys:");
    while (in->control_count < 4) {
        if (!read_control(in, "key:")) return false;
        if (in->at == in->end || *in->at != ',' || in->control_count == 4) break;
        in->at++;
    }
    if (in->at < in->end && *in->at == ',')
        return np_reader_fail(in, "four keys at most may make one binding", NULL, 0);
    if (in->control_count != 2 && in->control_count != 4)
        return np_reader_fail(in,
                              "needs two keys (a level) or four (a vector: up, down, left, right)",
                              word, (size_t)(in->at - word));
    binding->shape = in->control_count == 2 ? NP_SHAPE_PAIR : NP_SHAPE_CROSS;
    return true;
}

static void skip_blanks(np_reader *in)
{
    while (in->at < in->end && *in->at == ' ')
        in->at++;
}

/* Which shapes and natures an action of a kind can take. */
static bool check_kind(np_reader *in, const np_binding *binding, const char *word)
{
    size_t length = (size_t)(in->at - word);
    nplug_control first = in->controls[0];
    unsigned components = 1;
    nplug_nature nature = nplug_control_nature(first, &components);

    if (in->action->kind == NPLUG_MOTION && nature != NPLUG_NATURE_DELTA)
        return np_reader_fail(
            in, "does not move anything: a motion takes mouse:move or mouse:wheel", word, length);
    if (in->action->kind != NPLUG_MOTION && nature == NPLUG_NATURE_DELTA)
        return np_reader_fail(in, "moves: it can drive a motion only", word, length);
    if (in->action->kind == NPLUG_VECTOR && binding->shape != NP_SHAPE_CROSS && components != 2)
        return np_reader_fail(in, "has one direction: a vector takes a stick or four keys", word,
                              length);
    if (in->action->kind == NPLUG_LEVEL && binding->shape == NP_SHAPE_CROSS)
        return np_reader_fail(in, "are four keys: a level takes one or two", word, length);
    if (in->action->kind == NPLUG_BUTTON && (binding->shape != NP_SHAPE_ONE || components != 1))
        return np_reader_fail(
            in, "has no single press: a button takes a button, a key or a trigger", word, length);
    if (in->action->kind != NPLUG_BUTTON && binding->hold)
        return np_reader_fail(in, "hold= is for buttons", word, length);
    if (in->action->kind == NPLUG_MOTION && !np_shaping_suits_deltas(&in->shaping))
        return np_reader_fail(in, "moves without ends: scale= and invert are all that shapes it",
                              word, length);
    if (in->action->kind != NPLUG_LEVEL && in->action->kind != NPLUG_VECTOR &&
        (in->shaping.rise > 0.0f || in->shaping.fall > 0.0f))
        return np_reader_fail(in, "rise= and fall= make a level or a vector of buttons", word,
                              length);
    return true;
}

/* What several options say together: thresholds that are not given follow from the other one. */
static bool settle_options(np_reader *in)
{
    np_shaping *shaping = &in->shaping;
    float press = shaping->press > 0.0f ? shaping->press : NP_PRESS;

    if (shaping->outer <= shaping->inner)
        return np_reader_fail(in, "outer= must be more than dead=", NULL, 0);
    if (shaping->release > press)
        return np_reader_fail(in, "release= must not be above press=", NULL, 0);
    if (shaping->release <= 0.0f)
        shaping->release = press > 0.2f ? press - (NP_PRESS - NP_RELEASE) : 0.5f * press;
    shaping->press = press;
    return true;
}

/* The binding's shaping, shared with others that are alike; where it changes nothing, none. */
static bool keep_shaping(np_reader *in, np_binding *binding)
{
    np_game *game = in->game;
    uint32_t at = 0;

    binding->shaping = NP_NO_INDEX;
    binding->ramp = NP_NO_INDEX;
    if (np_shaping_is_idle(&in->shaping)) return true;
    while (at < game->shaping_count &&
           memcmp(&game->shapings[at], &in->shaping, sizeof in->shaping) != 0)
        at++;
    if (at == game->shaping_limit) return fail_limit(in, "there is no room: raise limits.shapings");
    game->shapings[at] = in->shaping;
    if (at == game->shaping_count) game->shaping_count++;
    binding->shaping = (uint16_t)at;
    if (in->shaping.rise <= 0.0f && in->shaping.fall <= 0.0f) return true;
    if (game->ramp_count == game->ramp_limit)
        return fail_limit(in, "there is no room: raise limits.ramps");
    binding->ramp = (uint16_t)game->ramp_count++;
    return true;
}

static bool read_binding(np_reader *in)
{
    np_binding *binding = &in->game->bindings[in->game->binding_count];
    const char *word = in->at;

    if (in->game->binding_count == in->game->binding_limit)
        return fail_limit(in, "there is no room: raise limits.bindings");
    memset(binding, 0, sizeof *binding);
    binding->action = (uint16_t)in->number;
    in->control_count = 0;
    in->shaping = np_shaping_none();
    if (starts_with(in, "keys:") ? !read_keys(in, binding) : !read_control(in, "")) return false;
    if (in->at < in->end && *in->at == ',')
        return np_reader_fail(in, "several controls go with keys: only", NULL, 0);
    for (skip_blanks(in); in->at < in->end; skip_blanks(in))
        if (!np_option_read(in, binding)) return false;
    if (!settle_options(in) || !check_kind(in, binding, word) || !keep_shaping(in, binding))
        return false;
    for (unsigned i = 0; i < in->control_count; i++)
        if (!add_source(in, binding, in->controls[i])) return false;
    in->game->binding_count++;
    return true;
}

/* The bindings of one action, parted by '|'. */
bool np_action_read(np_reader *in)
{
    const char *from = in->action->from ? in->action->from : "";
    const char *stop = from + strlen(from);

    in->at = from;
    for (skip_blanks(in); in->at < stop;) {
        in->end = (const char *)memchr(in->at, '|', (size_t)(stop - in->at));
        if (!in->end) in->end = stop;
        skip_blanks(in);
        if (!read_binding(in)) return false;
        in->at = in->end < stop ? in->end + 1 : stop;
    }
    return true;
}
