#include "nestplug/system.h"
#include <time.h>

nplug_time nplug_now(void)
{
    struct timespec now;

    clock_gettime(CLOCK_MONOTONIC, &now);
    return (nplug_time)now.tv_sec * 1000000u + (nplug_time)now.tv_nsec / 1000u;
}
