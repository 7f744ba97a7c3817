/* The trace port: pushes the reports of one recorded step at a time, all into its one ring.  Which
 * port said a thing is folded into the device's number. */
#include "nestplug/replay.h"

#define DEVICE_BITS 19u

void nplug_replay_open(nplug_replay *replay, const nplug_record *records, size_t count)
{
    replay->records = records;
    replay->count = count;
    replay->next = 0;
    replay->ring = NULL;
}

static nplug_result start(void *self, nplug_ring *ring)
{
    ((nplug_replay *)self)->ring = ring;
    return NPLUG_OK;
}

static void stop(void *self)
{
    ((nplug_replay *)self)->ring = NULL;
}

nplug_result nplug_replay_attach(nplug_replay *replay, nplug_nest *nest)
{
    static const nplug_port port = {
        (uint32_t)sizeof(nplug_port), 1, "trace", start, NULL, NULL, NULL, stop, NULL};
    return replay ? nplug_attach(nest, &port, replay) : NPLUG_ERR_ARGUMENT;
}

/* Ports number their devices from low numbers up, so port and number fit into one. */
static nplug_result push(nplug_ring *ring, const nplug_record *record)
{
    nplug_report report = record->data.report;

    if (report.device != NPLUG_PORT_DEVICE_ALL) {
        if (report.device >= 1u << DEVICE_BITS || record->port > 31) return NPLUG_ERR_ARGUMENT;
        report.device |= (uint32_t)record->port << DEVICE_BITS;
    }
    report.flags &= (uint8_t)~NPLUG_REPORT_FLAG_MOVES;
    return nplug_push(ring, &report, 1);
}

nplug_result nplug_replay_next(nplug_replay *replay, nplug_command *commands, size_t max,
                               size_t *command_count, nplug_time *now)
{
    if (!replay || !commands || !command_count || !now) return NPLUG_ERR_ARGUMENT;
    if (!replay->ring) return NPLUG_ERR_ORDER;
    *command_count = 0;
    for (; replay->next < replay->count; replay->next++) {
        const nplug_record *record = &replay->records[replay->next];
        nplug_result result = NPLUG_OK;
        if (record->kind == NPLUG_RECORD_STEP) {
            *now = record->data.step;
            replay->next++;
            return NPLUG_OK;
        }
        if (record->kind == NPLUG_RECORD_REPORT)
            result = push(replay->ring, record);
        else if (*command_count == max)
            result = NPLUG_ERR_FULL;
        else
            commands[(*command_count)++] = record->data.command;
        if (result != NPLUG_OK) return result;
    }
    return NPLUG_END;
}
