#include "support.h"
Suite *feed_suite(void) { return suite_create("feed"); }
