/* The rooms of the core, and the order of all files: who may include whom, and who may call whom.
 */
#include "support.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* In the order of the data: each may see those before it. */
static const char *const rooms[] = {"base",   "feed",   "device", "game",
                                    "player", "action", "nest",   "calls"};

/* What a room's own files are, and how many of them a room may hold. */
#define FILES_OF "ls " SOURCE_DIR "/src/core/"
#define MOST     12

TEST(the_core_is_eight_rooms_and_nothing_else)
{
    char output[4096], expected[256] = "";

    run("ls " SOURCE_DIR "/src/core", output, sizeof output);
    for (size_t i = 0; i < COUNT_OF(rooms); i++)
        ck_assert_msg(strstr(output, rooms[i]) != NULL, "%s is not there", rooms[i]);
    run("ls " SOURCE_DIR "/src/core | wc -l", output, sizeof output);
    snprintf(expected, sizeof expected, "%zu\n", COUNT_OF(rooms));
    ck_assert_str_eq(output, expected);
}

/* Each has at most about nine files with code, and one header for all others. */
TESTS(each_room_is_small_and_has_one_door, COUNT_OF(rooms))
{
    char command[512], output[4096];

    snprintf(command, sizeof command, FILES_OF "%s/*.c | wc -l", rooms[_i]);
    run(command, output, sizeof output);
    ck_assert_int_le(atoi(output), MOST);
    snprintf(command, sizeof command, FILES_OF "%s/%s.h", rooms[_i], rooms[_i]);
    ck_assert_int_eq(run(command, output, sizeof output), 0);
}

/* The includes of a room's files that are neither the library's public ones, nor libc's five, nor
 * its own, nor the doors of the rooms before it. */
TESTS(no_room_sees_a_higher_one, COUNT_OF(rooms))
{
    char command[1024], output[8192], may[256] = "";

    for (int i = 0; i < _i; i++) {
        char door[64];
        snprintf(door, sizeof door, "|\"core/%s/%s\\.h\"", rooms[i], rooms[i]);
        strcat(may, door);
    }
    snprintf(command, sizeof command,
             "cd " SOURCE_DIR "/src/core/%s; grep -H '#include' *.[ch] | grep -vE "
             "'<(math|stdbool|stddef|stdint|string)\\.h>|\"nestplug/|\"core/%s/%s'; true",
             rooms[_i], rooms[_i], may);
    run(command, output, sizeof output);
    ck_assert_str_eq(output, "");
}

/* The corridor knows all rooms, and writes in none: it calls. */
TEST(nobody_writes_in_another_ones_room)
{
    char output[8192];

    run("cd " SOURCE_DIR "/src/core; grep -nE "
        "'nest->(device|game|player|action|feed|out)\\.[][a-z_.>-]*( [-+|&^]?= |\\+\\+|--)' "
        "$(ls nest/*.c | grep -v open) calls/*.c; true",
        output, sizeof output);
    ck_assert_str_eq(output, "");
    run("cd " SOURCE_DIR "/src/core; grep -nE "
        "'^    np_(controls|devices|recogniser|game|players|device_room|game_room|player_room) "
        "\\*' "
        "player/*.h action/*.h; true",
        output, sizeof output);
    ck_assert_str_eq(output, "");
}

/* No file needs another one that, in the end, needs it: told by what the linker would. */
TEST(no_files_go_in_a_circle)
{
    char output[16384];

    run("cd " BINARY_DIR "; find CMakeFiles/*-objects.dir tool -name '*.c.o' 2>/dev/null | "
        "while read object; do source=${object#*.dir/}; "
        "case $object in CMakeFiles/*) source=" SOURCE_DIR "/${source%.o};; *) source=" SOURCE_DIR
        "/${object%%/*}/${source%.o};; esac; test -f $source && echo $object; done | "
        "xargs nm -A -g | awk '{ split($0, part, \":\"); file = part[1]; kind = $(NF - 1); "
        "if (kind == \"U\") { users[++n] = file; wants[n] = $NF } "
        "else if (kind ~ /^[TDRBC]$/) { homes[$NF]++; home[$NF] = file } } "
        "END { for (i = 1; i <= n; i++) if (homes[wants[i]] == 1 && home[wants[i]] != users[i]) "
        "print users[i], home[wants[i]] }' | sort -u | tsort 2>&1 >" BINARY_DIR "/order; "
        "test $(wc -l <" BINARY_DIR "/order) -gt 50 || echo too few files",
        output, sizeof output);
    ck_assert_str_eq(output, "");
}
