/* The terminal view of `watch`, in a terminal: of every sort of device, on screens of any size. */
#include "support.h"
#include <fcntl.h>
#include <pty.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/ioctl.h>
#include <sys/wait.h>
#include <unistd.h>

#define TRACE BINARY_DIR "/view.trace"

/* --- a terminal --------------------------------------------------------------------------------
 */

typedef struct terminal {
    int fd;
    pid_t child;
} terminal;

/* In a bare folder without /dev/pts there is none to be had. */
static bool has_terminals(void)
{
    int fd = posix_openpt(O_RDWR | O_NOCTTY);
    bool has = fd >= 0 && grantpt(fd) == 0 && unlockpt(fd) == 0 && ptsname(fd) &&
               access(ptsname(fd), F_OK) == 0;

    if (fd >= 0) close(fd);
    if (!has) fprintf(stderr, "SKIPPED: the view in a terminal (this machine gives none)\n");
    return has;
}

/* The command gets a terminal of its own, so large. */
static terminal start(const char *command, unsigned short lines, unsigned short columns)
{
    struct winsize size = {lines, columns, 0, 0};
    terminal on;

    on.child = forkpty(&on.fd, NULL, NULL, &size);
    ck_assert_int_ge(on.child, 0);
    if (on.child == 0) {
        setenv("TERM", "xterm", 1);
        unsetenv("LINES");
        unsetenv("COLUMNS");
        execl("/bin/sh", "sh", "-c", command, (char *)NULL);
        _exit(127);
    }
    return on;
}

/* All that was written until the command ended, a move of the cursor as a new line and all other
 * sequences left out; and how it ended. */
static int finish(terminal on, char *text, size_t room)
{
    char piece[4096];
    size_t length = 0;
    bool sequence = false;
    int status;

    for (;;) {
        ssize_t got = read(on.fd, piece, sizeof piece);
        if (got <= 0) break; /* EIO: nobody has the other end any more */
        for (ssize_t i = 0; i < got; i++) {
            bool ends = sequence && strchr("mHJKABCDGdhlrbXP", piece[i]);
            if (piece[i] == 27) sequence = true;
            if (!sequence || (ends && piece[i] != 'm'))
                if (length + 1 < room) text[length++] = sequence ? '\n' : piece[i];
            if (ends) sequence = false;
        }
    }
    text[length] = 0;
    close(on.fd);
    ck_assert_int_eq(waitpid(on.child, &status, 0), on.child);
    return WIFEXITED(status) ? WEXITSTATUS(status) : -1;
}

/* --- devices -------------------------------------------------------------------------------------
 */

static const struct {
    const char *model, *moves; /* what is done to it; it is called d */
    const char *shown[4];
} rows[] = {
    {"heron",
     "{ \"t\": 100000, \"press\": \"start\", \"on\": \"d\", \"for\": 20000 }\n"
     "{ \"t\": 150000, \"sweep\": \"stick-left\", \"on\": \"d\", \"to\": [1, 0], \"over\": 0 }\n"
     "{ \"t\": 150000, \"press\": \"west\", \"on\": \"d\" }\n",
     {" left stick ", "PLAYER 1 PRESSES", "hold M", "veer"}},
    {"turnstone",
     "{ \"t\": 100000, \"press\": \"Enter\", \"on\": \"d\", \"for\": 20000 }\n",
     {"PLAYER 1 PRESSES", "W, S, A, D", "hold E", "Space"}},
    {"osprey-right",
     "{ \"t\": 100000, \"pose\": \"pose-grip\", \"on\": \"d\", \"to\": [0.3, 1, 0, 0, 0, 0, 1] }\n",
     {"from the front", "from above", "tracked", "hand-right"}},
    {"tern",
     "{ \"t\": 100000, \"touch\": [0.5, 0.5], \"on\": \"d\", \"finger\": 1, \"for\": 200000 }\n",
     {"FINGER", "ZONE", "the game's", "Tern Table"}},
    {"sanderling", "", {"unrecognised", "raw signals", "SIGNAL", "WHO CAME AND WENT"}}};

static void write_trace(const char *model, const char *moves, unsigned end)
{
    FILE *file = fopen(TRACE, "w");

    ck_assert_ptr_nonnull(file);
    fprintf(file,
            "{ \"nestplug\": \"trace\", \"version\": 1 }\n"
            "{ \"t\": 10000, \"arrive\": \"d\", \"model\": \"%s\" }\n%s"
            "{ \"t\": %u, \"end\": true }\n",
            model, moves, end);
    fclose(file);
}

#define WATCH BINARY_DIR "/tool/nestplug watch --port sim:" TRACE

TESTS(every_device_is_drawn_on_every_screen, COUNT_OF(rows))
{
    static const unsigned short sizes[][2] = {{42, 140}, {24, 80}, {50, 200}, {6, 20}, {1, 1}};
    size_t room = 1 << 20;
    char *text;

    if (!has_terminals()) return;
    text = malloc(room);
    write_trace(rows[_i].model, rows[_i].moves, 300000);
    for (size_t s = 0; s < COUNT_OF(sizes); s++) {
        int status = finish(start(WATCH, sizes[s][0], sizes[s][1]), text, room);
        ck_assert_msg(status == 0, "%s on %d lines: %d\n%s", rows[_i].model, sizes[s][0], status,
                      text);
        for (size_t i = 0; sizes[s][1] >= 140 && i < COUNT_OF(rows[_i].shown); i++)
            ck_assert_msg(strstr(text, rows[_i].shown[i]), "\"%s\" is not shown of %s:\n%s",
                          rows[_i].shown[i], rows[_i].model, text);
    }
    free(text);
}

/* An evening that would last an hour ends by a key. */
TEST(a_key_ends_it)
{
    char text[65536];
    terminal on;

    if (!has_terminals()) return;
    write_trace("heron", "", 3600000000u);
    on = start(WATCH, 42, 140);
    ck_assert_int_eq(write(on.fd, "q", 1), 1);
    ck_assert_int_eq(finish(on, text, sizeof text), 0);
}

/* A terminal that can only print gets what a file gets. */
TEST(a_dumb_terminal_gets_lines)
{
    static char text[65536], lines[65536];
    int at = 0;

    if (!has_terminals()) return;
    write_trace("heron", "{\"t\": 200000, \"press\": \"south\", \"on\": \"d\", \"for\": 9000}\n",
                300000);
    ck_assert_int_eq(finish(start("TERM=dumb " WATCH, 42, 140), text, sizeof text), 0);
    ck_assert_int_eq(run(WATCH, lines, sizeof lines), 0);
    for (const char *from = text; *from; from++)
        if (*from != '\r') text[at++] = *from;
    text[at] = 0;
    check_same(text, lines, "a dumb terminal");
    ck_assert_ptr_nonnull(strstr(lines, "pad:south"));
}
