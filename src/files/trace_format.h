/* What reading and writing traces share: the words and the numbers of each line. */
#ifndef NF_TRACE_FORMAT_H
#define NF_TRACE_FORMAT_H

#include "core/base/base.h"
#include "fields.h"

#define NF_TRACE_VERSION 1
#define NF_COUNT(list)   (sizeof(list) / sizeof *(list))

/* The words of "says", in the order of nplug_report_kind. */
extern const char *const nf_says[NP_REPORT_KINDS];
/* The words of "command", in the order of nplug_command_kind (the first is none). */
extern const char *const nf_commands[NP_COMMAND_KINDS];

/* Numbers that every report has, those of one kind, those of a command, and the limits. */
extern const nf_number nf_report_numbers[];
extern const size_t nf_report_number_count;
const nf_number *nf_kind_numbers(unsigned kind, size_t *count);
extern const nf_number nf_command_numbers[];
extern const size_t nf_command_number_count;
extern const nf_number nf_limit_numbers[];
extern const size_t nf_limit_number_count;

#endif
