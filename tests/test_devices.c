#include "support.h"
Suite *devices_suite(void) { return suite_create("devices"); }
