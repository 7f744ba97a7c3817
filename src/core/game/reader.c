/* Reading: where a reader stands, and what is wrong there.
 *
 * Owns nothing: a reader is its holder's.  Comes in: a fault.  Goes out: a line for the log, with
 * its column. */
#include "core/game/reader.h"

static void log_fault(const np_reader *in, uint32_t column, const char *what)
{
    char line[256];
    np_text text = np_text_in(line, sizeof line);

    np_text_add(&text, "action \"");
    np_text_add(&text, in->action->name);
    np_text_add(&text, "\", column ");
    np_text_add_number(&text, column);
    np_text_add(&text, ": ");
    np_text_add(&text, what);
    if (in->out) np_out_line(in->out, line);
}

bool np_reader_fail(np_reader *in, const char *what, const char *word, size_t length)
{
    nplug_binding_error error;
    np_text text = np_text_in(error.what, sizeof error.what);

    if (word) {
        np_text_add(&text, "\"");
        np_text_add_bytes(&text, word, length);
        np_text_add(&text, "\" ");
    }
    np_text_add(&text, what);
    error.column = (uint32_t)((word ? word : in->at) - in->text) + 1;
    log_fault(in, error.column, error.what);
    if (in->error) *in->error = error;
    if (in->result == NPLUG_OK) in->result = NPLUG_ERR_BINDING;
    return false;
}

bool np_reader_fail_here(np_reader *in, const char *what)
{
    return np_reader_fail(in, what, NULL, 0);
}

bool np_reader_fail_limit(np_reader *in, const char *limit)
{
    np_reader_fail_here(in, limit);
    in->result = NPLUG_ERR_FULL;
    return false;
}

static nplug_control pad(unsigned place)
{
    return NPLUG_CONTROL(NPLUG_CLASS_PAD, place);
}

void np_reader_skip_blanks(np_reader *in)
{
    while (in->at < in->end && *in->at == ' ')
        in->at++;
}

bool np_reader_is_of_sheet(nplug_source named)
{
    return named.control == pad(NPLUG_PAD_CONFIRM) || named.control == pad(NPLUG_PAD_CANCEL);
}

bool np_reader_is_of_hand(nplug_source named)
{
    unsigned class_ = NPLUG_CONTROL_CLASS(named.control);
    return class_ == NPLUG_CLASS_HAND_MAIN || class_ == NPLUG_CLASS_HAND_OFF;
}

/* The other hand's, where the off one is asked for. */
static nplug_control of_hand(nplug_control named, uint8_t main)
{
    bool left =
        (main == NPLUG_KIND_HAND_LEFT) == (NPLUG_CONTROL_CLASS(named) == NPLUG_CLASS_HAND_MAIN);

    return NPLUG_CONTROL(left ? NPLUG_CLASS_HAND_LEFT : NPLUG_CLASS_HAND_RIGHT,
                         NPLUG_CONTROL_INDEX(named));
}

nplug_source np_reader_resolved(np_reader *in, nplug_source named)
{
    bool confirms = named.control == pad(NPLUG_PAD_CONFIRM);

    in->filter.confirm = np_reader_is_of_sheet(named) ? in->confirm : 0;
    in->filter.main = np_reader_is_of_hand(named) ? in->main : 0;
    if (in->filter.main) named.control = of_hand(named.control, in->main);
    if (np_reader_is_of_sheet(named))
        named.control =
            pad(confirms == (in->confirm == NPLUG_PAD_EAST) ? NPLUG_PAD_EAST : NPLUG_PAD_SOUTH);
    return named;
}
