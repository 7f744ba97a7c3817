#include "ledger.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define KEYS 1000

/* Events are noted after each step, all that can be asked after so many. */
#define EVERY 16

static uint64_t sum;
static uint32_t steps;
static bool open;

static void mix(uint64_t value)
{
    sum = (sum ^ value) * UINT64_C(0x9e3779b97f4a7c15);
    sum ^= sum >> 29;
}

static void mix_float(float value)
{
    uint32_t bits;

    memcpy(&bits, &value, sizeof bits);
    mix(bits);
}

static void mix_vec2(nplug_vec2 value)
{
    mix_float(value.x);
    mix_float(value.y);
}

static void mix_text(const char *text)
{
    for (; *text; text++)
        mix((unsigned char)*text);
}

static void note_events(const nplug_nest *nest)
{
    mix(nplug_event_count(nest));
    for (uint32_t i = 0; i < nplug_event_count(nest); i++) {
        const nplug_event *event = nplug_event_at(nest, i);
        mix(event->time);
        mix(rig_number(event) << 16 | event->flags);
        mix((uint64_t)event->kind << 48 |
            (uint64_t)(event->player == NPLUG_EVERYONE ? 0 : event->player) << 40 | event->device);
        mix((uint64_t)event->action << 16 | event->control);
        if (event->kind == NPLUG_EVENT_LIMIT)
            mix_vec2((nplug_vec2){(float)event->left_out, 0.0f});
        else if (event->kind == NPLUG_EVENT_BATTERY)
            mix_vec2((nplug_vec2){(float)event->battery_percent / 100.0f, 0.0f});
        else
            mix_vec2(event->value);
    }
}

static void note_controls(const nplug_nest *nest, nplug_device device)
{
    NPLUG_SIZED(nplug_control_facts, info);

    for (uint32_t i = 0; nplug_control_info(nest, device, i, &info) == NPLUG_OK; i++) {
        mix((uint64_t)info.control << 32 | (uint64_t)info.nature << 16 | info.components);
        mix_vec2(info.value);
        mix((uint64_t)info.down | info.spent << 1 | info.lever << 2 | info.square << 3 |
            info.guess << 4 | info.lies << 5);
        mix((uint64_t)info.signal[0] << 32 | info.signal[1]);
        mix_text(info.print);
    }
}

static void note_device(const nplug_nest *nest, nplug_device device)
{
    NPLUG_SIZED(nplug_device_facts, info);
    NPLUG_SIZED(nplug_calibration_facts, axis);

    mix((uint64_t)nplug_device_info(nest, device, &info));
    mix_text(info.name);
    mix_text(info.sheet);
    mix_text(info.family);
    mix((uint64_t)info.players << 32 | info.duplicate);
    mix(info.last);
    mix((uint64_t)info.kind << 32 | (uint64_t)info.matched << 16 | (uint64_t)info.present |
        info.resyncing << 1 | info.unreadable << 2 | info.ignored << 3 | info.charging << 4);
    mix((uint64_t)(uint32_t)info.battery_percent << 32 | info.signals << 16 | info.controls);
    for (uint32_t part = 0; part <= NPLUG_PARTS_MAX; part++)
        mix(nplug_part_players(nest, device, part));
    for (uint32_t i = 0; nplug_calibration_info(nest, device, i, &axis) == NPLUG_OK; i++) {
        mix((uint64_t)(uint32_t)axis.now.rest << 32 | (uint32_t)axis.now.low);
        mix((uint64_t)(uint32_t)axis.now.high << 32 | axis.now.code);
    }
    note_controls(nest, device);
}

static void note_player(nplug_nest *nest, nplug_player player)
{
    nplug_active_set active = active_of(nest, player);
    nplug_player all = player ? player : NPLUG_EVERYONE;
    NPLUG_SIZED(nplug_action_facts, state);

    mix((uint64_t)nplug_player_seated(nest, player) | nplug_player_waits(nest, player) << 1 |
        active.present << 2 | active.pinned << 3);
    mix((uint64_t)nplug_missed_at(nest, player, 0) << 32 | nplug_player_device_count(nest, player));
    mix((uint64_t)active.device << 32 | (uint32_t)active.kind);
    mix(active.since);
    mix_text(active.family);
    for (uint32_t a = 0; nplug_action_name(nest, a); a++) {
        nplug_action_info(nest, all, a, &state);
        mix(state.press_count);
        mix(state.release_count << 1 | state.held);
        mix(state.press_time);
        mix(state.release_time);
        mix(state.held_for);
        mix_vec2(state.value);
        mix(((uint64_t)nplug_presses(nest, all, a) << 32) | nplug_releases(nest, all, a));
        mix_text(nplug_bindings(nest, all, a));
        mix_text(nplug_comfort(nest, player, a));
    }
}

static void note_report(const nplug_report *report)
{
    mix(report->time);
    mix((uint64_t)report->device << 32 | (uint64_t)report->signal << 16 |
        (uint64_t)report->kind << 8 | report->flags);
    if (report->kind == NPLUG_REPORT_VALUE || report->kind == NPLUG_REPORT_LABEL)
        mix((uint32_t)report->data.value);
    if (report->kind == NPLUG_REPORT_TEXT)
        for (unsigned i = 0; i < sizeof report->data.text; i++)
            mix((unsigned char)report->data.text[i]);
}

static void note_records(nplug_nest *nest)
{
    nplug_record record;

    while (nplug_take_records(nest, &record, 1)) {
        mix((uint64_t)record.kind << 8 | record.port);
        if (record.kind == NPLUG_RECORD_REPORT) note_report(&record.data.report);
        if (record.kind == NPLUG_RECORD_STEP) mix(record.data.step);
        if (record.kind == NPLUG_RECORD_COMMAND) mix(record.data.command.kind);
    }
}

static void note_counts(const nplug_nest *nest)
{
    nplug_counts counts = counts_of(nest);

    mix(counts.reports);
    mix(counts.unknown_device);
    mix(counts.unknown_signal);
    mix(counts.unknown_kind);
    mix(counts.backwards);
    mix(counts.late);
    mix(counts.early);
    mix(counts.bad_groups);
    mix(counts.events_dropped);
    mix(counts.records_dropped);
}

void ledger_note(nplug_nest *nest)
{
    nplug_pick_facts pick = pick_of(nest);

    if (!open) return;
    mix(nplug_digest(nest));
    mix(nplug_nest_time(nest));
    mix((uint64_t)pick.waits << 32 | (uint64_t)pick.source.control << 16 | pick.source.way);
    mix(pick.left_us);
    mix_float(pick.share);
    note_events(nest);
    note_records(nest);
    if (steps++ % EVERY) return;
    note_counts(nest);
    for (uint32_t i = 0; i < nplug_device_count(nest); i++)
        note_device(nest, nplug_device_at(nest, i));
    for (nplug_player p = 0; p <= limits_of(nest).players; p++)
        note_player(nest, p);
}

void ledger_begin(void)
{
    open = true;
    sum = 0;
    steps = 0;
}

/* --- the book --------------------------------------------------------------------------------- */

typedef struct entry {
    unsigned key;
    unsigned long long sum;
} entry;

static size_t read_book(const char *path, entry entries[KEYS])
{
    FILE *file = fopen(path, "r");
    size_t count = 0;

    while (file && count < KEYS &&
           fscanf(file, "%u %llx", &entries[count].key, &entries[count].sum) == 2)
        count++;
    if (file) fclose(file);
    return count;
}

static void write_book(const char *path, const entry *entries, size_t count)
{
    FILE *file = fopen(path, "w");

    ck_assert_msg(file != NULL, "%s cannot be written", path);
    for (size_t i = 0; i < count; i++)
        fprintf(file, "%u %016llx\n", entries[i].key, entries[i].sum);
    fclose(file);
}

static entry *find(entry *entries, size_t count, uint32_t key)
{
    for (size_t i = 0; i < count; i++)
        if (entries[i].key == key) return &entries[i];
    return NULL;
}

void ledger_end(const char *name, uint32_t key, uint32_t most)
{
    static entry entries[KEYS];
    const char *golden = getenv("NPLUG_GOLDEN");
    char path[512];
    size_t count;
    entry *known;

    open = false;
    snprintf(path, sizeof path, SOURCE_DIR "/tests/golden/ledger/%s.txt", name);
    count = read_book(path, entries);
    known = find(entries, count, key);
    if (golden && strcmp(golden, "write") == 0) {
        if (!known && (count == KEYS || count >= most)) return;
        if (!known) known = &entries[count++];
        *known = (entry){key, sum};
        write_book(path, entries, count);
    }
    ck_assert_msg(!known || known->sum == sum,
                  "%s, game %u came to something else than it did: %016llx, not %016llx "
                  "(./dev golden, where that is meant)",
                  name, key, (unsigned long long)sum, known ? known->sum : 0);
}
