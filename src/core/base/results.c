/* Words for results, events and limits, and the version.
 *
 * Owns tables.  Comes in: a number.  Goes out: a text. */
#include "core/base/base.h"
#include "nestplug/base.h"

const char *nplug_result_text(nplug_result result)
{
    switch (result) {
#define CASE(name, number, text)                                                                   \
    case name:                                                                                     \
        return text;
        NPLUG_RESULTS(CASE)
#undef CASE
    }
    return "unknown result";
}

#define TEXT_OF(number)              #number
#define VERSION(major, minor, patch) TEXT_OF(major) "." TEXT_OF(minor) "." TEXT_OF(patch)

const char *nplug_version(void)
{
    return VERSION(NPLUG_VERSION_MAJOR, NPLUG_VERSION_MINOR, NPLUG_VERSION_PATCH);
}

const char *nplug_event_name(uint32_t kind)
{
    static const char *const names[NP_EVENT_KINDS] = {
        "none",      "arrival", "departure", "change", "join",     "leave",  "claim",
        "unclaim",   "press",   "release",   "value",  "resynced", "clocks", "limit",
        "duplicate", "bound",   "pick",      "wait",   "wobble",   "swap",   "active",
        "battery",   "full",    "contact",   "lift",   "asleep",   "awake"};
    return kind < NP_EVENT_KINDS ? names[kind] : "unknown";
}

const char *nplug_limit_name(uint32_t limit)
{
    static const char *const names[] = {"devices", "nodes",    "signals",  "controls", "links",
                                        "events",  "timers",   "commands", "records",  "bindings",
                                        "zones",   "contacts", "effects"};
    return limit < sizeof names / sizeof *names ? names[limit] : "unknown";
}
