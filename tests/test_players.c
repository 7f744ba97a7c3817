#include "support.h"
Suite *players_suite(void) { return suite_create("players"); }
