#include "support.h"
Suite *values_suite(void) { return suite_create("values"); }
