#include "listed.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

enum { MOST_TESTS = 1000, SECONDS = 900 /* after which a test hangs */ };
static struct {
    const TTest *const *test;
    int count;
} listed[MOST_TESTS];
static int listed_count;

void list_test(const TTest *const *test, int count)
{
    if (listed_count == MOST_TESTS) abort();
    listed[listed_count].test = test;
    listed[listed_count++].count = count;
}

/* "feed" of ".../test_feed.c". */
static const char *suite_name(const TTest *test, char *name, size_t size)
{
    const char *slash = strrchr(test->file, '/'), *file = slash ? slash + 1 : test->file;

    if (strncmp(file, "test_", 5) == 0) file += 5;
    snprintf(name, size, "%.*s", (int)strcspn(file, "."), file);
    return name;
}

/* Whether a word is a suite, or a test of it as "suite:test". */
static bool names(const char *word, const char *suite, const char *test)
{
    size_t length = strlen(suite);

    if (strncmp(word, suite, length) != 0) return false;
    return !word[length] || (word[length] == ':' && strcmp(word + length + 1, test) == 0);
}

/* Whether a test is among those that are named, and is not among those named with "-" before it. */
static bool wanted(const char *suite, const char *test, int argc, char **argv)
{
    bool named = false, any = true;

    for (int i = 1; i < argc; i++) {
        if (argv[i][0] == '-' && names(argv[i] + 1, suite, test)) return false;
        if (argv[i][0] == '-') continue;
        any = false;
        named |= names(argv[i], suite, test);
    }
    return named || any;
}

/* Two processes may share the work: NPLUG_HALF=0 runs every other suite, and 1 the others.  Tests
 * of one suite may write the same files. */
static bool is_of_this_half(const char *suite)
{
    static char last[32];
    static unsigned suites;
    const char *half = getenv("NPLUG_HALF");

    if (strcmp(suite, last) != 0) suites++;
    strcpy(last, suite);
    return !half || (half[0] == '1') == (suites & 1u);
}

/* The suite of a test's file: the one that was made last, or a new one, which keeps its name. */
static TCase *cases_of(SRunner *runner, const char *name)
{
    static char names[MOST_TESTS][32];
    static int count;
    static TCase *cases;
    Suite *suite;

    if (count && strcmp(name, names[count - 1]) == 0) return cases;
    suite = suite_create(strcpy(names[count++], name));
    cases = tcase_create(names[count - 1]);
    tcase_set_timeout(cases, SECONDS);
    suite_add_tcase(suite, cases);
    srunner_add_suite(runner, suite);
    return cases;
}

/* Read by the address sanitizer.  What was freed is kept from use again up to so many megabytes;
 * the default of 256 fills with the marks of millions of assertions, and every test's leak check
 * looks at all of them: the whole run took six times as long. */
const char *__asan_default_options(void);
const char *__asan_default_options(void)
{
    return "quarantine_size_mb=8";
}

/* Runs every suite, or what is named: nestplug-tests [SUITE | SUITE:TEST | -SUITE]... */
int main(int argc, char **argv)
{
    SRunner *runner = srunner_create(NULL);
    char name[32];
    int failed, run;

    setvbuf(stdout, NULL, _IOLBF, 0);
#ifdef SOURCE_DIR
    /* Of the tool, which the tests start, too. */
    setenv("LSAN_OPTIONS", "print_suppressions=0:suppressions=" SOURCE_DIR "/tests/data/leaks.txt",
           0);
#endif
    for (int i = 0; i < listed_count; i++) {
        const TTest *test = *listed[i].test;
        bool here = is_of_this_half(suite_name(test, name, sizeof name));
        if (here && wanted(name, test->name, argc, argv))
            tcase_add_loop_test(cases_of(runner, name), test, 0, listed[i].count);
    }
    srunner_run_all(runner, CK_NORMAL);
    failed = srunner_ntests_failed(runner);
    run = srunner_ntests_run(runner);
    srunner_free(runner);
    if (run == 0) fprintf(stderr, "no such suite\n");
    return failed || run == 0 ? EXIT_FAILURE : EXIT_SUCCESS;
}
