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

static DIR *lights_of(const nl_node *node, char folder[160])
{
    snprintf(folder, 160, "/sys/class/input/%s/device/device/leds", node->file);
    return opendir(folder);
}

/* The number of a light that says a player's, as written; NULL for another one. */
static const char *number_of(const struct dirent *entry)
{
    const char *number = strstr(entry->d_name, ":player-");
    return number ? number + strlen(":player-") : NULL;
}

bool nl_lights_has(const nl_node *node)
{
    char folder[160];
    const struct dirent *entry;
    DIR *dir = lights_of(node, folder);
    bool any = false;

    while (dir && !any && (entry = readdir(dir)) != NULL)
        any = number_of(entry) != NULL;
    if (dir) closedir(dir);
    return any;
}

void nl_lights_show(const nl_node *node, uint32_t player)
{
    char folder[160];
    const struct dirent *entry;
    DIR *dir = lights_of(node, folder);

    while (dir && (entry = readdir(dir)) != NULL) {
        const char *number = number_of(entry);
        if (!number) continue;
        set_light(folder, entry->d_name, player && strtoul(number, NULL, 10) == player);
    }
    if (dir) closedir(dir);
}
