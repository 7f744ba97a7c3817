#include "describe.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* Digits that tell any float from its neighbours (IEEE 754). */
#define FLOAT_DIGITS 9

const char *describe_bus(uint16_t bus, char *buffer, size_t size)
{
    /* The Linux kernel's numbers (input.h: BUS_...). */
    static const struct {
        uint16_t bus;
        const char *name;
    } names[] = {{0x01, "pci"},   {0x03, "usb"}, {0x05, "bluetooth"}, {0x06, "virtual"},
                 {0x11, "i8042"}, {0x18, "i2c"}, {0x19, "host"},      {0x1c, "spi"}};

    for (size_t i = 0; i < sizeof names / sizeof *names; i++)
        if (names[i].bus == bus) return names[i].name;
    snprintf(buffer, size, "0x%04x", bus);
    return buffer;
}

const char *describe_id(nplug_device device, char buffer[16])
{
    snprintf(buffer, 16, "%x", device);
    return device ? buffer : NULL;
}

void describe_players(uint32_t players, char *buffer, size_t size)
{
    size_t used = 0;

    snprintf(buffer, size, "nobody");
    for (unsigned p = 0; p < 32; p++)
        if (players & (1u << p))
            used += (size_t)snprintf(buffer + used, size - used, "%s%u", used ? " " : "", p + 1);
}

void describe_value(nplug_vec2 value, uint32_t components, char *buffer, size_t size)
{
    if (components == 2)
        snprintf(buffer, size, "%6.3f %6.3f", (double)value.x, (double)value.y);
    else
        snprintf(buffer, size, "%6.3f", (double)value.x);
}

/* The shortest number that reads back as the same float. */
static json_t *number(float value)
{
    double shortest = (double)value;

    for (int digits = 6; digits < FLOAT_DIGITS; digits++) {
        char text[32];
        snprintf(text, sizeof text, "%.*g", digits, (double)value);
        shortest = strtod(text, NULL);
        if ((float)shortest == value) break;
        shortest = (double)value;
    }
    return json_real(shortest);
}

json_t *describe_value_json(nplug_vec2 value, uint32_t components)
{
    if (components == 2) return json_pack("[o, o]", number(value.x), number(value.y));
    return number(value.x);
}

static json_t *players_of(uint32_t players)
{
    json_t *list = json_array();

    for (unsigned p = 0; p < 32; p++)
        if (players & (1u << p)) json_array_append_new(list, json_integer(p + 1));
    return list;
}

static json_t *signals_of(const nplug_nest *nest, nplug_device device)
{
    json_t *list = json_array();
    NPLUG_SIZED(nplug_signal_facts, info);
    char name[64];

    for (uint32_t i = 0; nplug_signal_info(nest, device, i, &info) == NPLUG_OK; i++) {
        nplug_code_name(info.space, info.code, name, sizeof name);
        json_array_append_new(
            list,
            json_pack("{s:i, s:i, s:s, s:s, s:s, s:I, s:s, s:i, s:i, s:i, s:i, s:i, s:i, s:b, "
                      "s:b}",
                      "index", (int)i, "node", (int)info.node, "node_kind",
                      nplug_kind_name(info.node_kind), "space", nplug_space_name(info.space),
                      "name", name, "code", (json_int_t)info.code, "nature",
                      nplug_nature_name(info.nature), "min", info.min, "max", info.max,
                      "resolution", info.resolution, "flat", info.flat, "fuzz", info.fuzz, "raw",
                      info.raw, "known", info.heard, "read", info.read));
    }
    return list;
}

static json_t *pose_of(const nplug_nest *nest, nplug_device device, nplug_control control)
{
    nplug_pose pose;

    nplug_control_pose(nest, device, control, &pose);
    return json_pack("[f, f, f, f, f, f, f]", (double)pose.position[0], (double)pose.position[1],
                     (double)pose.position[2], (double)pose.orientation[0],
                     (double)pose.orientation[1], (double)pose.orientation[2],
                     (double)pose.orientation[3]);
}

static json_t *sensor_of(const nplug_nest *nest, nplug_device device, nplug_control control)
{
    float value[3];

    nplug_control_sensor(nest, device, control, value);
    return json_pack("[f, f, f]", (double)value[0], (double)value[1], (double)value[2]);
}

static json_t *value_of(const nplug_nest *nest, nplug_device device,
                        const nplug_control_facts *info)
{
    if (info->components == 7) return pose_of(nest, device, info->control);
    if (info->components == 3) return sensor_of(nest, device, info->control);
    return describe_value_json(info->value, info->components);
}

static json_t *controls_of(const nplug_nest *nest, nplug_device device)
{
    json_t *list = json_array();
    NPLUG_SIZED(nplug_control_facts, info);
    char name[48];

    for (uint32_t i = 0; nplug_control_info(nest, device, i, &info) == NPLUG_OK; i++) {
        nplug_control_name(info.control, name, sizeof name);
        json_array_append_new(list, json_pack("{s:s, s:s, s:s, s:o, s:b, s:b, s:b}", "name", name,
                                              "print", info.print, "nature",
                                              nplug_nature_name(info.nature), "value",
                                              value_of(nest, device, &info), "spent", info.spent,
                                              "guess", info.guess, "lies", info.lies));
    }
    return list;
}

const char *describe_sleep(const nplug_device_facts *info)
{
    bool worn = info->kind == NPLUG_KIND_HAND_LEFT || info->kind == NPLUG_KIND_HAND_RIGHT ||
                info->kind == NPLUG_KIND_HEADSET;

    return worn ? "asleep: headset off?" : "asleep";
}

json_t *describe_device(const nplug_nest *nest, nplug_device device)
{
    NPLUG_SIZED(nplug_device_facts, info);
    char bus[16], id[16];

    if (nplug_device_info(nest, device, &info) != NPLUG_OK) return json_null();
    return json_pack(
        "{s:s, s:s, s:s, s:s, s:s, s:s, s:s, s:i, s:i, s:i, s:b, s:b, s:b, s:o, s:b, s:b, s:b, "
        "s:I, s:o, s:o, s:o}",
        "id", describe_id(device, id), "name", info.name, "kind", nplug_kind_name(info.kind),
        "family", info.family, "sheet", info.sheet, "matched_by", nplug_matched_name(info.matched),
        "bus", describe_bus(info.bus, bus, sizeof bus), "vendor", info.vendor, "product",
        info.product, "version", info.version, "resyncing", info.resyncing, "asleep", info.asleep,
        "unreadable", info.unreadable, "battery",
        info.battery_percent < 0 ? json_null() : json_integer(info.battery_percent), "charging",
        info.charging, "rumbles", info.rumbles, "lights", info.lights, "last",
        (json_int_t)info.last, "players", players_of(info.players), "signals",
        signals_of(nest, device), "controls", controls_of(nest, device));
}

void describe_print(json_t *value, bool indented)
{
    json_dumpf(value, stdout,
               (indented ? JSON_INDENT(2) : JSON_COMPACT) | JSON_REAL_PRECISION(FLOAT_DIGITS));
    putchar('\n');
    json_decref(value);
}
