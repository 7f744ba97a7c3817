/* The linux port over stand-ins for the kernel's nodes; tests/guest has the real kernel. */
#include "nestplug/linux.h"
#include "standin/kernel.h"
#include "support.h"
#include <dirent.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>
#include <unistd.h>

typedef struct linux_rig {
    test_rig rig;
    nplug_linux *port;
} linux_rig;

static void open_linux(linux_rig *l, bool own_thread, const nplug_limits *limits)
{
    nplug_linux_setup setup = nplug_linux_setup_default();
    nplug_game game = harbour_for(1);

    setup.folder = standin_folder();
    setup.own_thread = own_thread;
    setup.also = NPLUG_LINUX_KEYBOARDS | NPLUG_LINUX_MICE;
    rig_open(&l->rig, &game, limits);
    l->port = nplug_linux_open(&setup, malloc(nplug_linux_memory_needed(&setup)),
                               nplug_linux_memory_needed(&setup));
    ck_assert_ptr_nonnull(l->port);
    ck_assert_int_eq(nplug_linux_attach(l->port, l->rig.nest), NPLUG_OK);
}

static void close_linux(linux_rig *l)
{
    rig_close(&l->rig);
    free(l->port);
    standin_clean();
}

static void step_at_once(linux_rig *l)
{
    nplug_result result = nplug_step(l->rig.nest, nplug_now());
    ck_assert(result == NPLUG_OK || result == NPLUG_AGAIN);
}

/* A frame: longer than the port goes without a look at the folder. */
static void step_now(linux_rig *l)
{
    usleep(2100);
    step_at_once(l);
}

static int open_files(void)
{
    DIR *dir = opendir("/proc/self/fd");
    int count = 0;

    while (readdir(dir))
        count++;
    closedir(dir);
    return count;
}

TESTS(a_pad_is_read_pumped_and_by_a_thread, 2)
{
    linux_rig l;
    standin_node *pad;

    open_linux(&l, _i == 1, NULL);
    pad = standin_heron(5);
    for (int i = 0; i < 200 && nplug_device_count(l.rig.nest) == 0; i++, usleep(2000))
        step_now(&l);
    ck_assert_uint_eq(nplug_device_count(l.rig.nest), 1);
    standin_say(pad, EV_ABS, ABS_X, 32767);
    standin_frame(pad, EV_KEY, BTN_SOUTH, 1);
    for (int i = 0; i < 200 && !nplug_held(l.rig.nest, 1, HORN); i++, usleep(2000))
        step_now(&l);
    ck_assert(nplug_held(l.rig.nest, 1, HORN));
    ck_assert_float_eq(nplug_vector(l.rig.nest, 1, STEER).x, 1.0f);
    standin_unplug(pad);
    for (int i = 0; i < 200 && nplug_device_count(l.rig.nest); i++, usleep(2000))
        step_now(&l);
    ck_assert_uint_eq(nplug_device_count(l.rig.nest), 0);
    ck_assert(!nplug_held(l.rig.nest, 1, HORN));
    close_linux(&l);
}

TEST(ten_thousand_plugs_leave_nothing_open)
{
    linux_rig l;
    int before;
    uint64_t arrivals = 0;

    open_linux(&l, false, NULL);
    step_at_once(&l);
    before = open_files();
    for (unsigned i = 0; i < 10000; i++) {
        standin_node *pad = standin_heron(i % 7);
        step_at_once(&l);
        for (uint32_t e = 0; e < nplug_event_count(l.rig.nest); e++)
            arrivals += nplug_event_at(l.rig.nest, e)->kind == NPLUG_EVENT_ARRIVAL;
        if (i % 2) standin_frame(pad, EV_KEY, BTN_SOUTH, 1);
        if (i % 3) step_at_once(&l);
        standin_unplug(pad);
        step_at_once(&l);
    }
    step_at_once(&l);
    ck_assert_uint_eq(nplug_device_count(l.rig.nest), 0);
    ck_assert_uint_eq(arrivals, 10000);
    ck_assert_int_eq(open_files(), before);
    close_linux(&l);
}

TEST(absurd_ranges_and_names_are_no_harm)
{
    static const struct {
        int min, max, value;
    } rows[] = {{7, 7, 7}, {100, -100, 3}, {INT32_MIN, INT32_MAX, INT32_MIN}, {0, 0, 5}};
    standin_node *node;
    NPLUG_SIZED(nplug_control_facts, info);
    linux_rig l;

    open_linux(&l, false, NULL);
    for (unsigned i = 0; i < COUNT_OF(rows); i++) {
        node = standin_heron(i);
        memset(node->name, '\x1b', sizeof node->name - 1);
        node->info[ABS_X] = (struct input_absinfo){
            .minimum = rows[i].min, .maximum = rows[i].max, .value = rows[i].value};
        step_now(&l);
        for (int type = 0; type < 40; type++)
            standin_say(node, type, type * 37 % 800, rows[i].value);
        standin_frame(node, EV_ABS, ABS_X, rows[i].max);
        step_now(&l);
    }
    ck_assert_uint_eq(nplug_device_count(l.rig.nest), COUNT_OF(rows));
    for (uint32_t d = 0; d < COUNT_OF(rows); d++) {
        nplug_device device = nplug_device_at(l.rig.nest, d);
        NPLUG_SIZED(nplug_device_facts, about);
        nplug_device_info(l.rig.nest, device, &about);
        ck_assert_uint_eq(strspn(about.name, "?"), strlen(about.name));
        for (uint32_t i = 0; nplug_control_info(l.rig.nest, device, i, &info) == NPLUG_OK; i++)
            ck_assert(info.value.x >= -1.0f && info.value.x <= 1.0f);
    }
    close_linux(&l);
}

TEST(dropped_events_ask_for_the_state)
{
    standin_node *pad;
    linux_rig l;

    open_linux(&l, false, NULL);
    pad = standin_heron(0);
    step_now(&l);
    standin_frame(pad, EV_KEY, BTN_SOUTH, 1);
    step_now(&l);
    ck_assert(nplug_held(l.rig.nest, 1, HORN));
    pad->info[ABS_X].value = 12345; /* the present state: south is up, the stick is here */
    standin_say(pad, EV_SYN, SYN_DROPPED, 0);
    standin_frame(pad, EV_KEY, BTN_SOUTH, 1); /* the tail of a cut report: not to be taken */
    step_now(&l);
    ck_assert(!nplug_held(l.rig.nest, 1, HORN));
    ck_assert_float_eq_tol(nplug_vector(l.rig.nest, 1, STEER).x, 12345.0f / 32767.0f, 0.0001f);
    close_linux(&l);
}

TEST(a_ring_too_small_for_an_arrival_waits)
{
    nplug_limits limits = nplug_limits_default();
    linux_rig l;

    limits.ring_slots = 128;
    standin_heron(0);
    standin_heron(1);
    standin_heron(2);
    open_linux(&l, false, &limits);
    for (int i = 0; i < 10; i++)
        step_now(&l);
    ck_assert_uint_eq(nplug_device_count(l.rig.nest), 3);
    close_linux(&l);
}

TEST(two_pads_are_heard_in_order_of_time)
{
    nplug_event first;
    standin_node *a, *b;
    linux_rig l;

    open_linux(&l, false, NULL);
    a = standin_heron(0);
    step_now(&l);
    b = standin_heron(1);
    for (int i = 0; i < 100 && nplug_device_count(l.rig.nest) < 2; i++, usleep(1000))
        step_now(&l);
    standin_frame(b, EV_KEY, BTN_START, 1);
    usleep(2000);
    standin_frame(a, EV_KEY, BTN_SOUTH, 1);
    usleep(2000);
    standin_frame(b, EV_KEY, BTN_START, 0);
    step_now(&l);
    ck_assert(rig_saw(&l.rig, NPLUG_EVENT_PRESS, &first));
    ck_assert_uint_eq(first.action, MENU);
    ck_assert_uint_eq(counts_of(l.rig.nest).late, 0);
    close_linux(&l);
}

TEST(an_idle_thread_sleeps)
{
    unsigned before;
    linux_rig l;

    open_linux(&l, true, NULL);
    standin_heron(0);
    for (int i = 0; i < 200 && nplug_device_count(l.rig.nest) == 0; i++, usleep(2000))
        step_now(&l);
    usleep(100000);
    before = standin_waits();
    usleep(500000);
    ck_assert_uint_eq(standin_waits(), before);
    close_linux(&l);
}

/* No permission, and no file of sysfs that tells what it is: it arrives all the same. */
TEST(what_may_not_be_read_says_so_and_is_read_later)
{
    NPLUG_SIZED(nplug_device_facts, info);
    standin_node *pad;
    NPLUG_SIZED(nplug_linux_facts, state);
    bool root = geteuid() == 0;
    linux_rig l;

    open_linux(&l, false, NULL);
    pad = standin_heron(900000); /* a number that no real node has */
    ck_assert_int_eq(chmod(standin_folder(), 0755), 0);
    ck_assert_int_eq(chmod(pad->path, 0), 0);
    if (root) ck_assert_int_eq(seteuid(65534), 0);
    step_now(&l);
    nplug_device_info(l.rig.nest, nplug_device_at(l.rig.nest, 0), &info);
    ck_assert(info.unreadable);
    ck_assert_uint_eq(info.signals, 0);
    nplug_linux_info(l.port, &state);
    ck_assert_uint_eq(state.open, 0);
    ck_assert_uint_eq(state.unreadable, 1);
    ck_assert(state.has_folder);
    if (root) ck_assert_int_eq(seteuid(0), 0);
    ck_assert_int_eq(chmod(pad->path, 0666), 0);
    step_now(&l);
    step_now(&l);
    nplug_device_info(l.rig.nest, nplug_device_at(l.rig.nest, 0), &info);
    ck_assert(!info.unreadable);
    ck_assert_str_eq(info.sheet, "heron");
    close_linux(&l);
}

/* What the fuzzer found worth keeping, and bytes at random: never a crash, never a value beyond. */
static void feed(linux_rig *l, const unsigned char *bytes, size_t size)
{
    standin_node *pad = standin_heron(6);

    step_now(l);
    standin_write(pad, bytes, size - size % sizeof(struct input_event));
    step_now(l);
    ck_assert_float_le(nplug_level(l->rig.nest, 1, THROTTLE), 1.0f);
    standin_unplug(pad);
    step_now(l);
}

TEST(bytes_of_any_sort_are_no_harm)
{
    unsigned char bytes[64 * sizeof(struct input_event)];
    char path[600];
    struct dirent *entry;
    DIR *dir = opendir(SOURCE_DIR "/tests/data/corpus");
    linux_rig l;

    open_linux(&l, false, NULL);
    while (dir && (entry = readdir(dir)) != NULL) {
        FILE *file;
        size_t size;
        if (entry->d_name[0] == '.') continue;
        snprintf(path, sizeof path, SOURCE_DIR "/tests/data/corpus/%.200s", entry->d_name);
        file = fopen(path, "rb");
        size = fread(bytes, 1, sizeof bytes, file);
        fclose(file);
        feed(&l, bytes, size);
    }
    if (dir) closedir(dir);
    for (unsigned round = 0; round < 300; round++) {
        for (size_t i = 0; i < sizeof bytes; i++)
            bytes[i] = (unsigned char)(rand() % (round % 2 ? 256 : 4));
        feed(&l, bytes, sizeof bytes);
    }
    close_linux(&l);
}

TEST(wrong_setups_are_refused)
{
    nplug_linux_setup setup = nplug_linux_setup_default();
    nplug_linux *port;
    void *block;
    test_rig rig;

    ck_assert_uint_eq(nplug_linux_memory_needed(NULL), 0);
    setup.nodes = 0;
    ck_assert_uint_eq(nplug_linux_memory_needed(&setup), 0);
    setup = nplug_linux_setup_default();
    ck_assert_ptr_null(nplug_linux_open(&setup, NULL, 1u << 30));
    block = malloc(nplug_linux_memory_needed(&setup));
    ck_assert_ptr_null(nplug_linux_open(&setup, block, nplug_linux_memory_needed(&setup) - 1));
    port = nplug_linux_open(&setup, block, nplug_linux_memory_needed(&setup));
    rig_open(&rig, NULL, NULL);
    nplug_linux_attach(port, rig.nest); /* whatever this machine has */
    rig_step(&rig, nplug_now());
    rig_close(&rig);
    free(block);
}
