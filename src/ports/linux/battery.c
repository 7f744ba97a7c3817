/* A device's battery, from sysfs: told as such, and a signal of HID usage 0x06:0x20 (battery
 * strength), 0 to 100. */
#include "linux_port.h"
#include <dirent.h>
#include <stdio.h>
#include <string.h>
#include <unistd.h>

/* Not all drivers say when a battery has changed, and some know nothing of it before their device
 * has said something: it is looked at soon after a node was opened, and now and then while it is
 * used. */
#define SOON 1000000u  /* microseconds */
#define LONG 30000000u /* microseconds */

static FILE *open_in(const char *folder, const char *name)
{
    char path[544];

    snprintf(path, sizeof path, "%s/%s", folder, name);
    return fopen(path, "re");
}

/* The charge in percent; -1 where its file says nothing sensible (a device that has not told yet).
 */
static int read_charge(const char *folder)
{
    FILE *from = open_in(folder, "capacity");
    int charge = -1;

    if (from && (fscanf(from, "%d", &charge) != 1 || charge < 0 || charge > 100)) charge = -1;
    if (from) fclose(from);
    return charge;
}

/* Whether it is being charged; one that is full is not. */
static bool read_charging(const char *folder)
{
    FILE *from = open_in(folder, "status");
    char status[32] = "";

    if (from && fscanf(from, "%31[^\n]", status) != 1) status[0] = 0;
    if (from) fclose(from);
    return strcmp(status, "Charging") == 0;
}

/* The folder of the first battery that the hardware of a node has; false where it has none. */
static bool find_folder(const char *file, char *path, size_t size)
{
    char folder[160], capacity[544];
    struct dirent *entry;
    bool found = false;
    DIR *dir;

    snprintf(folder, sizeof folder, "/sys/class/input/%s/device/device/power_supply", file);
    dir = opendir(folder);
    while (dir && !found && (entry = readdir(dir)) != NULL) {
        if (entry->d_name[0] == '.') continue;
        snprintf(path, size, "%s/%.200s", folder, entry->d_name);
        snprintf(capacity, sizeof capacity, "%s/capacity", path);
        found = access(capacity, F_OK) == 0;
    }
    if (dir) closedir(dir);
    return found;
}

void nl_battery_find(nl_node *node, nplug_time now)
{
    char folder[512];

    node->has_battery = find_folder(node->file, folder, sizeof folder);
    node->charge = node->has_battery ? read_charge(folder) : -1;
    node->charging = node->has_battery && read_charging(folder);
    node->battery_due = now + SOON;
}

void nl_battery_tell(nplug_linux *port, const nl_node *node, nplug_time now)
{
    nplug_report report = {0};

    if (node->charge < 0) return;
    report.time = now;
    report.device = nl_node_number(port, node);
    report.kind = NPLUG_REPORT_BATTERY;
    report.signal = node->charging;
    report.data.value = node->charge;
    nplug_push(port->ring, &report, 1);
}

static void push_signal(nplug_linux *port, const nl_node *node, nplug_time now)
{
    nplug_report report = {0};

    report.time = now;
    report.device = nl_node_number(port, node);
    report.signal = node->battery;
    report.data.value = node->charge;
    nplug_push(port->ring, &report, 1);
}

void nl_battery_look(nplug_linux *port, nl_node *node, nplug_time now)
{
    char folder[512];
    int charge, was = node->charge;
    bool charging;

    if (!node->has_battery || !find_folder(node->file, folder, sizeof folder)) return;
    charge = read_charge(folder);
    charging = read_charging(folder);
    if (charge < 0) charge = was;
    if (charge == was && charging == node->charging) return;
    node->charge = charge;
    node->charging = charging;
    if (charge != was) push_signal(port, node, now);
    nl_battery_tell(port, node, now);
}

void nl_battery_keep(nplug_linux *port, nl_node *node, nplug_time now)
{
    if (!node->has_battery || now < node->battery_due) return;
    node->battery_due = now + LONG;
    nl_battery_look(port, node, now);
}
