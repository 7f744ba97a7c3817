/* A device's battery, from sysfs: told as such, and a signal of HID usage 0x06:0x20 (battery
 * strength), 0 to 100. */
#include "linux_port.h"
#include <dirent.h>
#include <stdio.h>
#include <string.h>
#include <unistd.h>

/* The charge in percent; -1 where its file says nothing sensible (a device that has not told yet).
 */
static int read_charge(const char *path)
{
    FILE *from = fopen(path, "re");
    int charge = -1;

    if (from && (fscanf(from, "%d", &charge) != 1 || charge < 0 || charge > 100)) charge = -1;
    if (from) fclose(from);
    return charge;
}

/* The file of the first battery that the hardware of a node has; false where it has none. */
static bool find_file(const char *file, char *path, size_t size)
{
    char folder[160];
    struct dirent *entry;
    bool found = false;
    DIR *dir;

    snprintf(folder, sizeof folder, "/sys/class/input/%s/device/device/power_supply", file);
    dir = opendir(folder);
    while (dir && !found && (entry = readdir(dir)) != NULL) {
        if (entry->d_name[0] == '.') continue;
        snprintf(path, size, "%s/%.200s/capacity", folder, entry->d_name);
        found = access(path, F_OK) == 0;
    }
    if (dir) closedir(dir);
    return found;
}

void nl_battery_find(nl_node *node)
{
    char path[512];

    node->has_battery = find_file(node->file, path, sizeof path);
    node->charge = node->has_battery ? read_charge(path) : -1;
}

void nl_battery_tell(nplug_linux *port, const nl_node *node, nplug_time now)
{
    nplug_report report = {0};

    if (node->charge < 0) return;
    report.time = now;
    report.device = nl_node_number(port, node);
    report.kind = NPLUG_REPORT_BATTERY;
    report.as.value = node->charge;
    nplug_push(port->ring, &report, 1);
}

void nl_battery_look(nplug_linux *port, nl_node *node, nplug_time now)
{
    nplug_report report = {0};
    char path[512];
    int charge;

    if (!node->has_battery || !find_file(node->file, path, sizeof path)) return;
    charge = read_charge(path);
    if (charge < 0 || charge == node->charge) return;
    node->charge = charge;
    report.time = now;
    report.device = nl_node_number(port, node);
    report.signal = node->battery;
    report.as.value = charge;
    nplug_push(port->ring, &report, 1);
    nl_battery_tell(port, node, now);
}
