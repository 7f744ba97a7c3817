#include "support.h"
Suite *game_suite(void) { return suite_create("game"); }
