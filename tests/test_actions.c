#include "support.h"
Suite *actions_suite(void) { return suite_create("actions"); }
