/* The house: who may include whom, what the core may use, headers alone, what is exported,
 * generated files in step. */
#include "support.h"
#include <dirent.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

/* Calls `each` for every source file below a folder of the project. */
static void each_file(const char *folder, void (*each)(const char *path, const char *text))
{
    char path[1024];
    DIR *dir = opendir(folder);
    struct dirent *entry;

    ck_assert_msg(dir != NULL, "%s", folder);
    while ((entry = readdir(dir)) != NULL) {
        const char *end = strrchr(entry->d_name, '.');
        if (entry->d_name[0] == '.') continue;
        snprintf(path, sizeof path, "%s/%s", folder, entry->d_name);
        if (entry->d_type == DT_DIR) {
            each_file(path, each);
        } else if (end && (strcmp(end, ".c") == 0 || strcmp(end, ".h") == 0)) {
            char *text = slurp(path);
            each(path, text);
            free(text);
        }
    }
    closedir(dir);
}

/* Which includes a folder's files may have beside the headers that lie there: each must begin with
 * one of these. */
static const struct {
    const char *folder;
    const char *may[9];
} rules[] = {
    {"/src/core/",
     {"<math.h>", "<stdbool.h>", "<stddef.h>", "<stdint.h>", "<string.h>", "\"nestplug/", "\"core/",
      NULL}},
    {"/src/ports/",
     {"<", "\"nestplug/sim.h", "\"nestplug/replay.h", "\"nestplug/port.h", "\"nestplug/linux.h",
      "\"nestplug/window.h", "\"nestplug/openxr.h", NULL}},
    {"/src/aids/",
     {"<string.h>", "<math.h>", "\"nestplug/", "\"core/base/base.h", "\"aids/words.h", NULL}},
    {"/src/files/", {"<", "\"nestplug/", "\"core/base/base.h", "\"aids/words.h", NULL}},
    {"/src/keymap/", {"<", "\"nestplug/", NULL}},
    {"/src/prompts/", {"<string.h>", "\"nestplug/", NULL}},
    {"/src/system/", {"<", "\"nestplug/system.h", "\"nestplug/linux.h", NULL}},
    {"/tool/",
     {"<", "\"nestplug/nestplug.h", "\"nestplug/openxr.h", "\"nestplug/keymap.h",
      "\"nestplug/cells.h", NULL}},
    {"/examples/", {"<", NULL}},
};

/* A header of the file's own folder, or of one below. */
static bool lies_beside(const char *path, const char *what)
{
    char beside[512];

    if (*what != '"') return false;
    snprintf(beside, sizeof beside, "%.*s/%.*s", (int)(strrchr(path, '/') - path), path,
             (int)strcspn(what + 1, "\""), what + 1);
    return !strstr(beside, "..") && access(beside, F_OK) == 0;
}

static bool may_include(const char *const *may, const char *what)
{
    for (; *may; may++)
        if (strncmp(what, *may, strlen(*may)) == 0) return true;
    return false;
}

static void check_includes(const char *path, const char *text)
{
    for (size_t r = 0; r < COUNT_OF(rules); r++) {
        const char *at = text;
        if (!strstr(path, rules[r].folder)) continue;
        while ((at = strstr(at, "#include ")) != NULL) {
            at += strlen("#include ");
            ck_assert_msg(may_include(rules[r].may, at) || lies_beside(path, at),
                          "%s includes %.40s", path, at);
        }
    }
}

TEST(who_may_include_whom)
{
    each_file(SOURCE_DIR "/src", check_includes);
    each_file(SOURCE_DIR "/tool", check_includes);
    each_file(SOURCE_DIR "/examples", check_includes);
}

/* The core's own headers lie in its folder; it uses no heap, no clock, no stdio, no environment, no
 * system's #if, and has no state of its own. */
static void check_core(const char *path, const char *text)
{
    static const char *const never[] = {"malloc(",   "free(",   "printf(", "fopen",  "getenv",
                                        "time(NULL", "__linux", "_WIN32",  "files/", "ports/"};

    for (size_t i = 0; i < COUNT_OF(never); i++) {
        const char *found = strstr(text, never[i]);
        ck_assert_msg(!found || strstr(path, "sheets_builtin"), "%s uses %.30s", path, found);
    }
}

TEST(the_core_uses_nothing_but_its_five_headers)
{
    char output[4096];

    each_file(SOURCE_DIR "/src/core", check_core);
    /* What may be written to is local to a function: no object of the core has data or bss. */
    ck_assert_int_eq(
        run("nm " BINARY_DIR "/libnestplug-core.a | grep -E ' [BbDdC] ' | "
            "grep -vE 'asan|ubsan|Lubsan|\\.data|__odr|names\\.[0-9]|rows|evdev|__func__' | "
            "grep -v ' d ' ; true",
            output, sizeof output),
        0);
    ck_assert_str_eq(output, "");
}

TEST(builtin_sheets_and_models_are_those_of_the_files)
{
    char output[16384];

    ck_assert_msg(
        run("cd " SOURCE_DIR " && cmake --build " BINARY_DIR
            " --target sheets-to-c models-to-c languages-to-c > /dev/null && export LC_ALL=C "
            "&& " BINARY_DIR
            "/sheets-to-c sheets/*.json | diff - src/core/device/sheets_builtin.c && " BINARY_DIR
            "/models-to-c models/heron.json models/[!h]*.json | "
            "diff - src/ports/sim/models_builtin.c && " BINARY_DIR
            "/languages-to-c languages/*.json | diff - src/prompts/languages_builtin.c",
            output, sizeof output) == 0,
        "%s: ./dev sheets", output);
}

/* The manual page is what the tool's own help says. */
TEST(the_manual_page_is_the_help)
{
    static char output[65536];

    ck_assert_int_eq(run("cd " SOURCE_DIR " && scripts/manual " BINARY_DIR "/tool/nestplug", output,
                         sizeof output),
                     0);
    check_golden(output, "docs/nestplug.1.scd");
}
