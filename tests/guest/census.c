/* The census: brings the kernel's own drivers up, one after the other, presses everything that
 * their hardware has, and holds the nest's answer against the kernel's documentation of pad codes
 * (gamepad.rst, event-codes.rst) and the drivers' sources.  Drivers are known by the numbers that
 * they bind to.  Prints two tables and what is to be said about them; 1 where something is wrong.
 */
#include "../standin/drivers.h"
#include "nestplug/nestplug.h"
#include <dirent.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

void plug_failed(const char *what, const char *why)
{
    fprintf(stderr, "census: cannot %s: %s\n", what, why);
    exit(1);
}

/* What became of one thing that was pressed. */
typedef enum verdict { NOTHING, RIGHT, GUESS, WRONG } verdict;

enum { GROUPS = 10 };
typedef struct group {
    const char *title, *words; /* of which one begins a control's name */
} group;
static const group pad_groups[GROUPS] = {{"face", "south east west north"},
                                         {"d-pad", "dpad"},
                                         {"shoulders", "shoulder"},
                                         {"triggers", "trigger"},
                                         {"sticks", "stick-left. stick-right."},
                                         {"clicks", "stick-left-click stick-right-click"},
                                         {"menu", "select start home"},
                                         {"rear", "rear"},
                                         {"touch pad", "touchpad contact"},
                                         {"motion", "gyro accel"}};
static const group other_groups[GROUPS] = {{"steering", "steering"},
                                           {"pedals", "accelerator brake clutch"},
                                           {"stick", "aileron elevator twist rudder"},
                                           {"levers", "throttle slider dial"},
                                           {"hats", "hat"},
                                           {"buttons", "button shift"}};

typedef struct census {
    nplug_nest *nest;
    nplug_linux *port;
    nplug_device device;
    nplug_device_facts info;
    const driver *driver;
    verdict cells[GROUPS];
    char used[128][64]; /* what each thing pressed so far has moved */
    uint32_t used_count, wrong, unread;
    bool is_pad;
} census;

static void settle(census *c)
{
    for (int i = 0; i < 4; i++) {
        usleep(8000);
        nplug_step(c->nest, nplug_now());
    }
}

/* --- what moved ------------------------------------------------------------------------------- */

static float furthest(const float *values, unsigned count, unsigned *which)
{
    float most = 0.0f;

    for (unsigned i = 0; i < count; i++) {
        float size = values[i] < 0.0f ? -values[i] : values[i];
        if (size <= most) continue;
        most = size;
        *which = i;
    }
    return most;
}

/* Of a sensor, more than twice gravity, or three radians a second. */
static float threshold_of(const nplug_control_facts *info)
{
    if (info->components != 3) return 0.5f;
    return NPLUG_CONTROL_INDEX(info->control) == NPLUG_PAD_GYRO ? 3.0f : 19.0f;
}

/* The control of a device that is moved now, with its way ("pad:stick-left.x+"); false for none. */
static bool moved_on(const census *c, nplug_device device, nplug_control_facts *found, char *name,
                     size_t size)
{
    for (uint32_t i = 0; nplug_control_info(c->nest, device, i, found) == NPLUG_OK; i++) {
        float values[3] = {found->value.x, found->value.y, 0.0f};
        unsigned which = 0;
        size_t length;
        if (found->nature == NPLUG_NATURE_POSITION) continue;
        if (found->components == 3) nplug_control_sensor(c->nest, device, found->control, values);
        if (furthest(values, found->components, &which) < threshold_of(found)) continue;
        length = nplug_control_name(found->control, name, size);
        if (found->nature != NPLUG_NATURE_BUTTON)
            snprintf(name + length, size - length, "%s%s",
                     (const char *[]){".x", ".y", ".z"}[which], values[which] < 0.0f ? "-" : "+");
        return true;
    }
    *name = 0;
    return false;
}

/* Two pads on one plug are two devices: whichever moves. */
static bool moved(const census *c, nplug_control_facts *found, char *name, size_t size)
{
    for (uint32_t i = 0; i < nplug_device_count(c->nest); i++)
        if (moved_on(c, nplug_device_at(c->nest, i), found, name, size)) return true;
    return false;
}

/* --- verdicts --------------------------------------------------------------------------------- */

static bool is_of(const group *group, const char *name)
{
    const char *words = group->words;
    size_t length;

    for (; words && *words; words += length + (words[length] == ' ')) {
        length = strcspn(words, " ");
        if (strncmp(strchr(name, ':') + 1, words, length) == 0) return true;
    }
    return false;
}

/* The longest word that fits says the group: "stick-left-click" is no stick. */
static void note(census *c, const char *name, verdict verdict)
{
    const group *groups = c->is_pad ? pad_groups : other_groups;
    int found = -1;

    for (int g = 0; g < GROUPS; g++)
        if (groups[g].title && is_of(&groups[g], name)) found = g;
    if (found >= 0 && verdict > c->cells[found]) c->cells[found] = verdict;
}

static void tell_wrong(census *c, const thing *thing, const char *name, const char *why)
{
    printf("WRONG %s: %s moves %s: %s\n", c->driver->numbers, thing->what, *name ? name : "nothing",
           why);
    c->wrong++;
    if (*name) note(c, name, WRONG);
}

/* Whether something else moved the same already; remembers it. */
static bool was_used(census *c, const char *name)
{
    for (uint32_t i = 0; i < c->used_count; i++)
        if (strcmp(c->used[i], name) == 0) return true;
    if (c->used_count < 128) snprintf(c->used[c->used_count++], 64, "%s", name);
    return false;
}

static void judge(census *c, const thing *thing)
{
    NPLUG_SIZED(nplug_control_facts, info);
    char name[64];

    if (!moved(c, &info, name, sizeof name)) {
        if (thing->unread)
            c->unread++;
        else
            tell_wrong(c, thing, name, "no wire reads it");
    } else if (was_used(c, name)) {
        tell_wrong(c, thing, name, "something else moves that, too");
    } else if (thing->control && strcmp(thing->control, name) != 0 && !info.guess) {
        tell_wrong(c, thing, name, thing->control);
    } else {
        bool known = thing->control && strcmp(thing->control, name) == 0 && !info.guess;
        bool numbered = strstr(name, ":button-") != NULL;
        if (!known && !info.guess && !numbered)
            tell_wrong(c, thing, name,
                       "which is where is not known, and it is not said to be a guess");
        else
            note(c, name, known || numbered ? RIGHT : GUESS);
    }
}

/* --- one driver ------------------------------------------------------------------------------- */

static void find_device(census *c)
{
    NPLUG_SIZED(nplug_device_facts, info);

    c->device = 0;
    for (int tries = 0; tries < 200 && !c->device; tries++) {
        settle(c);
        for (uint32_t i = 0; i < nplug_device_count(c->nest); i++) {
            nplug_device_info(c->nest, nplug_device_at(c->nest, i), &info);
            if (info.bus != c->driver->bus || info.vendor != c->driver->vendor ||
                info.product != c->driver->product)
                continue;
            c->device = info.device;
            break;
        }
    }
    usleep(400000); /* its other nodes */
    settle(c);
    c->info.size = (uint32_t)sizeof c->info;
    if (c->device) nplug_device_info(c->nest, c->device, &c->info);
}

static void press_all(census *c)
{
    for (uint32_t i = 0; i < c->driver->count; i++) {
        driver_press(c->driver, &c->driver->things[i], true);
        settle(c);
        judge(c, &c->driver->things[i]);
        driver_press(c->driver, &c->driver->things[i], false);
        settle(c);
    }
}

static const char *word_of(verdict verdict)
{
    static const char *const words[] = {"-", "right", "guess", "WRONG"};
    return words[verdict];
}

static void print_row(const census *c)
{
    const group *groups = c->is_pad ? pad_groups : other_groups;

    printf("%s %s | %s | %s", c->is_pad ? "PAD |" : "OTHER |", c->driver->numbers, c->driver->how,
           c->info.sheet && *c->info.sheet ? c->info.sheet : nplug_matched_name(c->info.matched));
    for (int g = 0; g < GROUPS && groups[g].title; g++)
        printf(" | %s", word_of(c->cells[g]));
    printf(" |\n");
    if (c->unread)
        printf("NOTE %s: %u things move nothing, as they should: %s\n", c->driver->numbers,
               c->unread, c->driver->unread);
    fflush(stdout);
}

/* Whether the kernel's driver for everything has it: then none of its own was brought up. */
static bool is_generic(const driver *driver)
{
    DIR *folder = opendir("/sys/bus/hid/drivers/hid-generic");
    const struct dirent *entry;
    char numbers[16];
    bool found = false;

    snprintf(numbers, sizeof numbers, ":%04X:%04X.", driver->vendor, driver->product);
    while (folder && (entry = readdir(folder)) != NULL)
        found |= strstr(entry->d_name, numbers) != NULL;
    if (folder) closedir(folder);
    return found;
}

/* True where all of it is right, or said to be a guess. */
static bool count_driver(census *c, const driver *driver)
{
    memset(c->cells, 0, sizeof c->cells);
    c->used_count = c->wrong = c->unread = 0;
    c->driver = driver;
    driver_plug(driver);
    find_device(c);
    if (!c->device) {
        printf("WRONG %s: it did not arrive\n", driver->numbers);
        driver_unplug(driver);
        return false;
    }
    if (is_generic(driver) != (strstr(driver->how, "no driver") != NULL)) {
        printf("WRONG %s: it is not its own driver that has it\n", driver->numbers);
        c->wrong++;
    }
    c->is_pad = c->info.kind == NPLUG_KIND_PAD;
    driver_press(driver, NULL, false);
    settle(c);
    press_all(c);
    print_row(c);
    driver_unplug(driver);
    for (int i = 0; i < 100 && nplug_device_count(c->nest); i++)
        settle(c);
    return c->wrong == 0;
}

static void print_heads(void)
{
    const group *tables[2] = {pad_groups, other_groups};

    for (int t = 0; t < 2; t++) {
        printf("%s | driver for | brought up by | sheet", t ? "OTHER" : "PAD");
        for (int g = 0; g < GROUPS && tables[t][g].title; g++)
            printf(" | %s", tables[t][g].title);
        printf(" |\n");
    }
}

int main(void)
{
    static const nplug_action_def actions[] = {{"horn", NPLUG_ACTION_BUTTON, "pad:south", 0}};
    nplug_game game = nplug_game_for_one("census", actions, 1);
    nplug_setup setup = nplug_setup_default();
    nplug_linux_setup linux_setup = nplug_linux_setup_default();
    uint32_t count, wrong = 0;
    const driver *drivers = driver_list(&count);
    static census c;

    setvbuf(stdout, NULL, _IOLBF, 0);
    setup.follow_rest = true;
    if (nplug_start_bare(&game, &setup, &c.nest) != NPLUG_OK) plug_failed("open a nest", "");
    c.port = nplug_linux_open(&linux_setup, malloc(nplug_linux_memory_needed(&linux_setup)),
                              nplug_linux_memory_needed(&linux_setup));
    if (nplug_linux_attach(c.port, c.nest) != NPLUG_OK) plug_failed("attach the linux port", "");
    print_heads();
    for (uint32_t i = 0; i < count; i++)
        wrong += !count_driver(&c, &drivers[i]);
    printf("%u passed, %u failed\n", count - wrong, wrong);
    nplug_stop(c.nest);
    return wrong != 0;
}
