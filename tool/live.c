#include "live.h"
#include <jansson.h>
#include <poll.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#define HEADER "{\"nestplug\": \"trace\", \"version\": 1}"

/* Whether a line says when; one that is no object is told by its own mistake. */
static bool says_when(const char *line)
{
    json_t *object = json_loads(line, 0, NULL);
    bool says = !json_is_object(object) || json_object_get(object, "t");

    json_decref(object);
    return says;
}

/* The line as a trace of its own, after a header; a time is put in where it has none, *shift bytes
 * long.  From malloc. */
static char *as_trace(const char *line, nplug_time now, size_t *shift)
{
    size_t size = sizeof HEADER + strlen(line) + 64;
    char *text = (char *)malloc(size), time[48] = "";
    const char *brace = strchr(line, '{');

    if (!text) return NULL;
    if (brace && !says_when(line))
        snprintf(time, sizeof time, "\"t\": %llu, ", (unsigned long long)now);
    *shift = strlen(time);
    if (brace)
        snprintf(text, size, "%s\n%.*s%s%s", HEADER, (int)(brace - line) + 1, line, time,
                 brace + 1);
    else
        snprintf(text, size, "%s\n%s", HEADER, line);
    return text;
}

/* Where the person typed what is wrong. */
static void place_notes(nplug_notes *notes, const live *in, size_t shift)
{
    for (uint32_t i = 0; i < notes->count; i++) {
        nplug_note *note = &notes->note[i];
        note->line = (uint32_t)in->lines;
        if (note->column > shift + 1) note->column -= (uint32_t)shift;
    }
}

static void tell(const nplug_trace *trace, nplug_sim *sim, nplug_time now, live *in)
{
    size_t count;
    const nplug_move *moves = nplug_trace_moves(trace, &count);

    for (size_t i = 0; i < count; i++) {
        nplug_move move = moves[i];
        nplug_result result;
        if (move.time < now) move.time = now;
        result = nplug_sim_move(sim, &move);
        if (result == NPLUG_OK) continue;
        if (result == NPLUG_ERR_UNKNOWN) {
            fprintf(stderr, "standard input:%lu: there is no simulated model \"%s\": ", in->lines,
                    move.what);
            tool_models();
        } else {
            fprintf(stderr, "standard input:%lu: %s\n", in->lines, nplug_result_text(result));
        }
        in->wrong = true;
    }
}

static void take_line(live *in, const char *line, nplug_sim *sim, nplug_time now)
{
    nplug_trace *trace = NULL;
    nplug_notes notes;
    size_t shift;
    char *text;

    in->lines++;
    if (line[strspn(line, " \t\r")] == 0 || strstr(line, "\"nestplug\"")) return;
    text = as_trace(line, now, &shift);
    if (!text) return;
    if (nplug_trace_parse(text, strlen(text), "standard input", &trace, &notes) == NPLUG_OK)
        tell(trace, sim, now, in);
    else
        in->wrong = true;
    place_notes(&notes, in, shift);
    tool_notes(&notes);
    nplug_trace_free(trace);
    free(text);
}

/* All whole lines that are there; at the end, what is left is one. */
static void take_lines(live *in, nplug_sim *sim, nplug_time now)
{
    char *from = in->text, *end;

    while ((end = (char *)memchr(from, '\n', in->length - (size_t)(from - in->text))) != NULL) {
        *end = 0;
        take_line(in, from, sim, now);
        from = end + 1;
    }
    in->length -= (size_t)(from - in->text);
    memmove(in->text, from, in->length);
    if (!in->ended || in->length == 0) return;
    in->text[in->length] = 0;
    take_line(in, in->text, sim, now);
    in->length = 0;
}

void live_read(live *in, nplug_sim *sim, nplug_time now)
{
    struct pollfd wait = {STDIN_FILENO, POLLIN, 0};

    while (!in->ended && poll(&wait, 1, 0) > 0) {
        ssize_t got = read(STDIN_FILENO, in->text + in->length, sizeof in->text - 1 - in->length);
        in->ended = got <= 0;
        if (got > 0) in->length += (size_t)got;
        if (in->length == sizeof in->text - 1) {
            fprintf(stderr, "nestplug: a line of standard input is too long\n");
            in->wrong = in->ended = true;
        }
        take_lines(in, sim, now);
    }
}
