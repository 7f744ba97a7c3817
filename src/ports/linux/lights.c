/* Player lights, by the kernel's LED class: a pad's lights "...:player-1" and on, beside its node.
 */
#include "linux_port.h"
#include <dirent.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static void set_light(const char *folder, const char *name, bool on)
{
    char path[512];
    FILE *file;

    snprintf(path, sizeof path, "%s/%.200s/brightness", folder, name);
    file = fopen(path, "we");
    if (!file) return; /* the user may not */
    fputs(on ? "1\n" : "0\n", file);
    fclose(file);
}

void nl_lights_show(const nl_node *node, uint32_t player)
{
    char folder[160];
    struct dirent *entry;
    DIR *dir;

    snprintf(folder, sizeof folder, "/sys/class/input/%s/device/device/leds", node->file);
    dir = opendir(folder);
    while (dir && (entry = readdir(dir)) != NULL) {
        const char *number = strstr(entry->d_name, ":player-");
        if (!number) continue;
        number += strlen(":player-");
        set_light(folder, entry->d_name, player && strtoul(number, NULL, 10) == player);
    }
    if (dir) closedir(dir);
}
