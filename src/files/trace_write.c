#include "nestplug/action.h"
#include "trace_format.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

struct nplug_trace_writer {
    FILE *file;
    nplug_nest *nest;
    uint64_t lost; /* records that were lost before this trace began */
};

static bool write_line(FILE *file, json_t *line)
{
    bool written = line && json_dumpf(line, file, JSON_COMPACT) == 0 && fputc('\n', file) != EOF;

    json_decref(line);
    return written;
}

static uint64_t lost_by(const nplug_nest *nest)
{
    NPLUG_SIZED(nplug_counts, counts);
    nplug_nest_counts(nest, &counts);
    return counts.records_dropped;
}

static json_t *header_of(nplug_nest *nest)
{
    nplug_limits limits = nplug_limits_default();
    json_t *object = json_object();
    char game[32];

    NPLUG_SIZED(nplug_nest_facts, facts);
    nplug_nest_info(nest, &facts);
    nplug_nest_limits(nest, &limits);

    snprintf(game, sizeof game, "%016llx", (unsigned long long)nplug_game_digest(nest));
    json_object_set_new(object, "limits", json_object());
    nf_numbers_write(json_object_get(object, "limits"), nf_limit_numbers, nf_limit_number_count,
                     &limits, true);
    json_object_set_new(object, "nestplug", json_string("trace"));
    json_object_set_new(object, "version", json_integer(NF_TRACE_VERSION));
    json_object_set_new(object, "library", json_string(nplug_version()));
    json_object_set_new(object, "game", json_string(game));
    if (nplug_given_digest(nest)) {
        snprintf(game, sizeof game, "%016llx", (unsigned long long)nplug_given_digest(nest));
        json_object_set_new(object, "given", json_string(game));
    }
    if (facts.follow_rest) json_object_set_new(object, "follow_rest", json_true());
    return object;
}

nplug_trace_writer *nplug_trace_writer_open(const char *path, nplug_nest *nest)
{
    nplug_trace_writer *writer;

    if (!path || !nest) return NULL;
    writer = (nplug_trace_writer *)calloc(1, sizeof *writer);
    if (!writer) return NULL;
    writer->nest = nest;
    writer->lost = lost_by(nest);
    writer->file = fopen(path, "wb");
    if (writer->file && write_line(writer->file, header_of(nest))) return writer;
    if (writer->file) fclose(writer->file);
    free(writer);
    return NULL;
}

static void put_bytes(json_t *object, const char *text, size_t size)
{
    char hex[40] = "";
    size_t length = 0;

    while (length < size && text[length])
        length++;
    for (size_t i = 0; i < length; i++)
        snprintf(hex + 2 * i, 3, "%02x", (unsigned char)text[i]);
    json_object_set_new(object, "bytes", json_string(hex));
}

static json_t *line_of_report(const nplug_record *record)
{
    json_t *object = json_object();
    const nplug_report *report = &record->data.report;
    size_t count;
    const nf_number *numbers = nf_kind_numbers(report->kind, &count);

    json_object_set_new(object, "t", json_integer((json_int_t)report->time));
    json_object_set_new(object, "port", json_integer(record->port));
    json_object_set_new(object, "device", json_integer(report->device));
    if (report->kind != NPLUG_REPORT_VALUE)
        json_object_set_new(object, "says", json_string(nf_says[report->kind]));
    nf_numbers_write(object, nf_report_numbers, nf_report_number_count, report, false);
    nf_numbers_write(object, numbers, count, report, report->kind == NPLUG_REPORT_VALUE);
    if (report->kind == NPLUG_REPORT_TEXT) put_bytes(object, report->data.text, 16);
    return object;
}

static json_t *line_of_command(const nplug_command *command)
{
    json_t *object = json_object();

    json_object_set_new(object, "command", json_string(nf_commands[command->kind]));
    nf_numbers_write(object, nf_command_numbers, nf_command_number_count, command, false);
    return object;
}

static json_t *line_of_record(const nplug_record *record)
{
    json_t *object;

    if (record->kind == NPLUG_RECORD_REPORT) return line_of_report(record);
    if (record->kind == NPLUG_RECORD_COMMAND) return line_of_command(&record->data.command);
    object = json_object();
    json_object_set_new(object, "step", json_integer((json_int_t)record->data.step));
    return object;
}

/* A report of no known kind did nothing when it was taken, and has no line. */
static bool has_line(const nplug_record *record)
{
    return record->kind != NPLUG_RECORD_REPORT || record->data.report.kind < NP_REPORT_KINDS;
}

nplug_result nplug_trace_writer_write(nplug_trace_writer *writer)
{
    nplug_record records[64];
    size_t count;

    if (!writer) return NPLUG_ERR_ARGUMENT;
    do {
        count = nplug_take_records(writer->nest, records, NF_COUNT(records));
        for (size_t i = 0; i < count; i++)
            if (has_line(&records[i]) && !write_line(writer->file, line_of_record(&records[i])))
                return NPLUG_ERR_FILE;
    } while (count == NF_COUNT(records));
    if (lost_by(writer->nest) != writer->lost) return NPLUG_ERR_FULL;
    return NPLUG_OK;
}

nplug_result nplug_trace_writer_close(nplug_trace_writer *writer)
{
    nplug_result result;

    if (!writer) return NPLUG_ERR_ARGUMENT;
    result = nplug_trace_writer_write(writer);
    if (fclose(writer->file) != 0) result = NPLUG_ERR_FILE;
    free(writer);
    return result;
}
