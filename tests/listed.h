/* Tests that list themselves: a test stands in one place, and none can be forgotten.
 *
 *   TEST(a_press_is_seen)
 *   {
 *       ...
 *   }
 *
 * TESTS(name, count) runs it for each _i from 0 to below count.  Suites are called as their files:
 * test_feed.c is the suite "feed". */
#ifndef TESTS_LISTED_H
#define TESTS_LISTED_H

#include <check.h>
#include <stdbool.h>

#define TEST(name) TESTS(name, 1)
#define TESTS(name, count)                                                                         \
    static const TTest *name;                                                                      \
    __attribute__((constructor)) static void name##_listed(void)                                   \
    {                                                                                              \
        list_test(&name, (int)(count));                                                            \
    }                                                                                              \
    START_TEST(name)

/* Adds a test to the list of this program, before main. */
void list_test(const TTest *const *test, int count);

#endif
