#include "nest.h"

void np_log_line(const nplug_nest *nest, const char *line)
{
    if (nest->log) nest->log(nest->log_user, line);
}

void np_log_once(nplug_nest *nest, np_once what, const char *said, uint64_t number)
{
    char line[160];
    np_text text = np_text_in(line, sizeof line);

    if (nest->said & (1u << what)) return;
    nest->said |= 1u << what;
    np_text_add(&text, said);
    np_text_add(&text, " ");
    np_text_add_number(&text, number);
    np_text_add(&text, " (said once; nplug_nest_counts goes on counting)");
    np_log_line(nest, line);
}

void np_limit_reached(nplug_nest *nest, nplug_limit limit, nplug_time time)
{
    char line[96];
    np_text text = np_text_in(line, sizeof line);

    np_events_say(&nest->events, time, NPLUG_EVENT_LIMIT, 0, 0)->count = (uint64_t)limit;
    if (nest->said & (1u << (NP_ONCE_LIMITS + limit))) return;
    nest->said |= 1u << (NP_ONCE_LIMITS + limit);
    np_text_add(&text, "no more room: raise limits.");
    np_text_add(&text, nplug_limit_name(limit));
    np_log_line(nest, line);
}
