/* The library from outside: headers alone, layouts, exports, installing, another language, the
 * listings of the guide. */
#include "support.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

TESTS(public_headers_stand_alone_in_c_and_cxx, 7)
{
    char command[1024], output[8192];
    static const char *const ways[] = {
        "cc -std=c11 -Wall -Wextra -Wpedantic -Werror -fsyntax-only -x c",
        "cc -std=gnu11 -Wall -Wextra -Wpedantic -Werror -fsyntax-only -x c",
        "cc -std=c17 -Wall -Wextra -Wpedantic -Werror -fsyntax-only -x c",
        "cc -std=gnu17 -Wall -Wextra -Wpedantic -Werror -fsyntax-only -x c",
        "c++ -std=c++17 -Wall -Wextra -Wpedantic -Werror -fsyntax-only -x c++",
        "c++ -std=gnu++17 -Wall -Wextra -Wpedantic -Werror -fsyntax-only -x c++",
        "c++ -std=c++20 -Wall -Wextra -Wpedantic -Werror -fsyntax-only -x c++"};

    snprintf(command, sizeof command,
             "set -e; for h in " SOURCE_DIR "/include/nestplug/*.h; do echo \"#include "
             "<nestplug/$(basename $h)>\" | %s -I" SOURCE_DIR "/include - ; done",
             ways[_i]);
    ck_assert_msg(run(command, output, sizeof output) == 0, "%s", output);
    ck_assert_int_eq(
        run("grep -l stdatomic " SOURCE_DIR "/include/nestplug/*.h", output, sizeof output), 1);
}

/* On 64 bits and on 32, structs are as large as promised, and have no room at their ends in which a
 * later member could hide. */
TESTS(structs_are_laid_out_as_promised, 2)
{
    char command[512], output[8192];

    snprintf(command, sizeof command,
             "cc %s -ffreestanding -std=c11 -fsyntax-only -I" SOURCE_DIR "/include " SOURCE_DIR
             "/tests/outside/layout.c",
             _i ? "-m32" : "-m64");
    ck_assert_msg(run(command, output, sizeof output) == 0, "%s", output);
}

/* What the shared library exports is what the public headers declare, no more and no less; the
 * openxr port, key labels and widths are libraries of their own. */
TEST(exports_are_what_the_headers_declare)
{
    char output[16384];

    ck_assert_msg(run("cd " SOURCE_DIR "; nm -D --defined-only " BINARY_DIR "/libnestplug.so | "
                      "awk '$2 ~ /[TDR]/ {print $3}' | sort > " BINARY_DIR "/exported; "
                      "ls include/nestplug/*.h | grep -vE 'openxr|keymap|cells' | xargs cat | tr "
                      "'\\n' ' ' | grep "
                      "-oE 'NPLUG_API [^;]*;' | "
                      "grep -oE 'nplug_[a-z0-9_]+\\(' | tr -d '(' | sort -u > " BINARY_DIR
                      "/declared; "
                      "diff " BINARY_DIR "/exported " BINARY_DIR "/declared",
                      output, sizeof output) == 0,
                  "%s", output);
}

TEST(an_outside_program_finds_the_installed_library)
{
    char output[16384];
    int status =
        run("set -e; rm -rf " BINARY_DIR "/installed " BINARY_DIR "/outside; "
            "cmake --install " BINARY_DIR " --prefix " BINARY_DIR "/installed > /dev/null; "
            "cmake -G Ninja -S " SOURCE_DIR "/tests/outside -B " BINARY_DIR "/outside "
            "-DCMAKE_PREFIX_PATH=" BINARY_DIR "/installed -DCMAKE_C_COMPILER=" C_COMPILER
            " -DCMAKE_C_FLAGS='" SANITIZERS "' -DCMAKE_CXX_COMPILER=" CXX_COMPILER
            " -DCMAKE_CXX_FLAGS='" SANITIZERS "' > " BINARY_DIR "/outside.log 2>&1 || "
            "{ cat " BINARY_DIR "/outside.log; exit 1; }; "
            "cmake --build " BINARY_DIR "/outside > " BINARY_DIR "/outside.log 2>&1 || "
            "{ cat " BINARY_DIR "/outside.log; exit 1; }; cd " BINARY_DIR "/outside; "
            "./c-shared 2>/dev/null; ./cxx-static; ./c-core; "
            "PKG_CONFIG_PATH=$(dirname $(find ../installed -name nestplug.pc)); export "
            "PKG_CONFIG_PATH; " C_COMPILER " " SANITIZERS " " SOURCE_DIR "/tests/outside/main.c "
            "$(pkg-config --cflags --libs nestplug) -o by-pkg-config; "
            "LD_LIBRARY_PATH=$(pkg-config --variable=libdir nestplug) ./by-pkg-config 2>/dev/null; "
            "for pc in $PKG_CONFIG_PATH/nestplug-*.pc; do test -e $pc || continue; " C_COMPILER
            " " SANITIZERS " " SOURCE_DIR "/tests/outside/alone.c -Wl,--whole-archive "
            "$(pkg-config --libs-only-L --libs-only-l $(basename $pc .pc)) -Wl,--no-whole-archive "
            "-o part; done; "
            "../installed/bin/nestplug --version",
            output, sizeof output);

    ck_assert_msg(status == 0, "%s", output);
    ck_assert_str_eq(output, "C 0.1.0 0\nC++ 0.1.0 0\ncore: done\nC 0.1.0 0\nnestplug 0.1.0\n");
}

/* The headers are enough for another language, too: a generated binding presses a simulated key. */
TEST(another_language_presses_a_key)
{
    char output[8192];
    /* A library with sanitizers needs their runtime in the program that loads it. */
    static const char runtime[] =
        "ASAN_OPTIONS=detect_leaks=0 LD_PRELOAD=$(" C_COMPILER " -print-file-name=%s) ";
    bool clang = strstr(C_COMPILER, "clang") != NULL;
    char sanitized[512] = "";
    char command[1024];

    if (run("/usr/bin/python3 -c 'import cffi'", output, sizeof output) != 0) {
        fprintf(stderr, "SKIPPED: another language (it needs python3-cffi)\n");
        return;
    }
    if (*SANITIZERS)
        snprintf(sanitized, sizeof sanitized, runtime,
                 clang ? "libclang_rt.asan-x86_64.so" : "libasan.so");
    snprintf(command, sizeof command,
             "%s/usr/bin/python3 " SOURCE_DIR "/tests/outside/press.py " SOURCE_DIR
             "/include " BINARY_DIR "/libnestplug.so",
             sanitized);
    ck_assert_msg(run(command, output, sizeof output) == 0, "%s", output);
    ck_assert_ptr_nonnull(strstr(output, "hoots: 1"));
}

/* Every C listing of the README and the guide compiles. */
TEST(listings_compile)
{
    char output[16384];

    ck_assert_msg(run("set -e; cd " SOURCE_DIR "; rm -rf " BINARY_DIR "/listings; mkdir " BINARY_DIR
                      "/listings; "
                      "for page in README.md docs/guide/*.md docs/ports/*.md; do "
                      "awk -v base=" BINARY_DIR "/listings/$(basename $page .md) "
                      "'/^```c$/ {n++; on=1; next} /^```/ {on=0} on {print > (base \"-\" n "
                      "\".c\")}' $page; done; "
                      "ls " BINARY_DIR "/listings | wc -l; for c in " BINARY_DIR
                      "/listings/*.c; do " C_COMPILER
                      " -std=c11 -Wall -Wextra -Werror -Iinclude -c $c -o $c.o; done",
                      output, sizeof output) == 0,
                  "%s", output);
    ck_assert_int_ge(atoi(output), 3);
}

/* No page names a call that no header has. */
TEST(what_pages_name_is_there)
{
    char output[8192];

    run("cd " SOURCE_DIR "; cat include/nestplug/*.h > " BINARY_DIR "/headers; for name in "
        "$(grep -ohE '\\bnplug_[a-z0-9_]+[a-z0-9]\\b' README.md docs/*.md docs/*/*.md | sort -u); "
        "do "
        "grep -qw $name " BINARY_DIR "/headers || echo $name; done",
        output, sizeof output);
    ck_assert_str_eq(output, "");
}

/* A game as tables is C and C++, without a warning. */
TESTS(tables_compile, 2)
{
    char command[1024], output[8192];

    snprintf(
        command, sizeof command,
        "cd " SOURCE_DIR "; for game in harbour chart; do " BINARY_DIR
        "/tool/nestplug names --tables tool/demo/$game.game | %s -Wall -Wextra -Wpedantic -Werror "
        "-Wno-unused -fsyntax-only -Iinclude - ; done",
        _i ? "c++ -std=c++17 -x c++" : "cc -std=c11 -x c");
    ck_assert_int_eq(run(command, output, sizeof output), 0);
    ck_assert_str_eq(output, "");
}

/* Each step of the page for those who come from polling runs, and says what stands below it. */
TEST(steps_from_polling_run)
{
    char output[16384];

    ck_assert_msg(
        run("set -e; cd " SOURCE_DIR "; out=" BINARY_DIR "/steps; rm -rf $out; mkdir $out; "
            "awk -v base=$out/step '/^```c$/ {n++; on=base n \".c\"; next} "
            "/^```text$/ {on=base n \".txt\"; next} /^```/ {on=\"\"} "
            "on != \"\" {print > on}' docs/guide/9-from-polling.md; "
            "for c in $out/*.c; do " C_COMPILER " " SANITIZERS
            " -std=c11 -Wall -Wextra -Werror -Iinclude $c " BINARY_DIR
            "/libnestplug.a -ljansson -lpthread -lm -o ${c%.c}; "
            "${c%.c} > ${c%.c}.out; diff ${c%.c}.txt ${c%.c}.out; done; ls $out/*.out | wc -l",
            output, sizeof output) == 0,
        "%s", output);
    ck_assert_int_eq(atoi(output), 5);
}
