#include "support.h"
Suite *house_suite(void) { return suite_create("house"); }
