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
