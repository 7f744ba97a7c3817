#include "paper.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* What a signal is by its number alone. */
static uint32_t usual_nature(uint32_t space, uint32_t type)
{
    if (space == NPLUG_SPACE_HID)
        return type == 7 || type == 9 ? NPLUG_NATURE_BUTTON : NPLUG_NATURE_AXIS;
    return type == 1 ? NPLUG_NATURE_BUTTON : type == 2 ? NPLUG_NATURE_DELTA : NPLUG_NATURE_AXIS;
}

/* A word after the number: a nature, a range, or what it says. */
static void read_word(const char *word, paper_signal *signal)
{
    const char *range = strstr(word, "..");

    for (uint32_t nature = 0; nature < 12; nature++)
        if (strcmp(word, nplug_nature_name(nature)) == 0) signal->nature = nature;
    if (strcmp(word, "odd") == 0) signal->space = 99, signal->nature = 77;
    if (*word == '=') signal->says = atoi(word + 1);
    if (!range) return;
    signal->min = atoi(word);
    signal->max = atoi(range + 2);
}

uint16_t read_paper(const char *text, paper_signal *signals)
{
    char copy[800], *save, *inner;
    uint16_t count = 0;

    snprintf(copy, sizeof copy, "%s", text);
    for (char *one = strtok_r(copy, ";", &save); one; one = strtok_r(NULL, ";", &save)) {
        paper_signal *signal = &signals[count++];
        char *word = strtok_r(one, " ", &inner), *code;
        const char *space = strchr("upw", *word);
        uint32_t type = (uint32_t)strtoul(word + (space != NULL), &code, 16);
        *signal = (paper_signal){.says = SILENT};
        signal->space = !space          ? NPLUG_SPACE_EVDEV
                        : *space == 'u' ? NPLUG_SPACE_HID
                        : *space == 'p' ? NPLUG_SPACE_PLAIN
                                        : NPLUG_SPACE_W3C;
        signal->code = type << 16 | (uint32_t)strtoul(code + 1, NULL, 16);
        signal->nature = usual_nature(signal->space, type);
        signal->max = signal->nature == NPLUG_NATURE_BUTTON;
        while ((word = strtok_r(NULL, " ", &inner)))
            read_word(word, signal);
    }
    return count;
}

void open_paper_setup(paper_rig *p, nplug_setup setup)
{
    nplug_game game = harbour_for(1);

    memset(&p->port, 0, sizeof p->port);
    rig_open_setup(&p->rig, &game, setup);
    ck_assert_int_eq(nplug_attach(p->rig.nest, &hand_table, &p->port), NPLUG_OK);
}

void open_paper(paper_rig *p)
{
    open_paper_setup(p, nplug_setup_default());
}

static void push_signal(paper_rig *p, nplug_time time, uint32_t number, uint16_t index,
                        const paper_signal *signal)
{
    nplug_report report = value_report(time, number, index, 0, 0);

    report.kind = NPLUG_REPORT_SIGNAL;
    report.data.signal.code = signal->code;
    report.data.signal.min = signal->min;
    report.data.signal.max = signal->max;
    report.data.signal.space = (uint8_t)signal->space;
    report.data.signal.nature = (uint8_t)signal->nature;
    nplug_push(p->port.ring, &report, 1);
    report = value_report(time, number, index, 0, 0);
    report.kind = NPLUG_REPORT_DETAIL;
    report.data.detail.resolution = signal->resolution;
    report.data.detail.fuzz = signal->fuzz;
    report.data.detail.flat = signal->flat;
    nplug_push(p->port.ring, &report, 1);
    if (signal->says != SILENT) say_paper(p, time, number, index, signal->says, false);
}

void plug_paper_node(paper_rig *p, nplug_time time, uint32_t number, const paper_node *node)
{
    nplug_report report = value_report(time, number, 0, 0, 0);

    report.kind = NPLUG_REPORT_ARRIVE;
    report.data.arrive.bus = node->bus;
    report.data.arrive.vendor = node->vendor;
    report.data.arrive.product = node->product;
    report.data.arrive.version = node->version;
    report.data.arrive.properties = node->properties;
    report.data.arrive.signals = node->count;
    nplug_push(p->port.ring, &report, 1);
    if (node->serial) nplug_push_text(p->port.ring, time, number, NPLUG_TEXT_SERIAL, node->serial);
    if (node->socket) nplug_push_text(p->port.ring, time, number, NPLUG_TEXT_SOCKET, node->socket);
    if (node->unit) nplug_push_text(p->port.ring, time, number, NPLUG_TEXT_UNIT, node->unit);
    for (uint16_t i = 0; i < node->count; i++)
        push_signal(p, time, number, i, &node->signals[i]);
    push_kind(p->port.ring, time, number, NPLUG_REPORT_READY);
}

nplug_device plug_paper(paper_rig *p, uint16_t bus, uint16_t vendor, uint16_t product,
                        uint16_t version, const paper_signal *signals, uint16_t count)
{
    paper_node node = {bus, vendor, product, version, 0, NULL, NULL, NULL, signals, count};

    plug_paper_node(p, 0, 1, &node);
    rig_step(&p->rig, 0);
    return nplug_device_at(p->rig.nest, 0);
}

void say_paper(paper_rig *p, nplug_time time, uint32_t number, uint16_t signal, int32_t value,
               bool more)
{
    nplug_report report =
        value_report(time, number, signal, value, more ? NPLUG_REPORT_FLAG_MORE : 0);
    nplug_push(p->port.ring, &report, 1);
}

void say(paper_rig *p, nplug_time time, uint16_t signal, int32_t value)
{
    say_paper(p, time, 1, signal, value, false);
}

nplug_device_facts look_paper(const paper_rig *p, nplug_device device)
{
    NPLUG_SIZED(nplug_device_facts, info);

    ck_assert_int_eq(nplug_device_info(p->rig.nest, device, &info), NPLUG_OK);
    return info;
}
