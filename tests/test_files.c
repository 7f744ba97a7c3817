#include "support.h"
Suite *files_suite(void) { return suite_create("files"); }
