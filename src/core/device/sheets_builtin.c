/* Generated from sheets/ by scripts/sheets_to_c.c; do not edit: ./dev sheets */
/* clang-format off */
#include "nestplug/sheet.h"

static const nplug_rule any_keyboard_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 1, 2, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0000, 0x0000, 0x0000, 0x0000, 1, 3, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};

static const nplug_rule any_motion_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 10, 2, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire any_motion_wires[] = {
    {0x0c1c, 0, 1, 0x00030000, 15, 0, 0, 0, 0, 0, 0}, /* pad:accel */
    {0x0c1c, 1, 1, 0x00030001, 15, 0, 0, 0, 0, 0, 0}, /* pad:accel */
    {0x0c1c, 2, 1, 0x00030002, 15, 0, 0, 0, 0, 0, 0}, /* pad:accel */
    {0x0c1b, 0, 1, 0x00030003, 15, 0, 0, 0, 0, 0, 0}, /* pad:gyro */
    {0x0c1b, 1, 1, 0x00030004, 15, 0, 0, 0, 0, 0, 0}, /* pad:gyro */
    {0x0c1b, 2, 1, 0x00030005, 15, 0, 0, 0, 0, 0, 0}, /* pad:gyro */
    {0x0c1d, 0, 1, 0x00030004, 0, 1, 0, 0, 0, 0, 0}, /* pad:turn */
    {0x0c1d, 1, 1, 0x00030003, 0, 0, 0, 0, 0, 0, 0}, /* pad:turn */
    {0x0c1e, 0, 1, 0x00030005, 0, 1, 0, 0, 0, 0, 0}, /* pad:roll */
    {0x0c1f, 0, 1, 0x00030000, 0, 1, 0, 0, 0, 0, 0}, /* pad:tilt */
    {0x0c1f, 1, 1, 0x00030002, 0, 1, 0, 0, 0, 0, 0}, /* pad:tilt */
};

static const uint32_t any_mouse_fine_codes[] = {0x0002000b, };
static const nplug_rule any_mouse_fine_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 2, 2, 1, 0, any_mouse_fine_codes + 0, any_mouse_fine_codes + 1, 0x00000000, 0, 0},
};
static const nplug_wire any_mouse_fine_wires[] = {
    {0x0801, 0, 1, 0x00010110, 0, 0, 0, 0, 0, 0, 0}, /* mouse:left */
    {0x0802, 0, 1, 0x00010111, 0, 0, 0, 0, 0, 0, 0}, /* mouse:right */
    {0x0803, 0, 1, 0x00010112, 0, 0, 0, 0, 0, 0, 0}, /* mouse:middle */
    {0x0804, 0, 1, 0x00010113, 0, 0, 0, 0, 0, 0, 0}, /* mouse:back */
    {0x0805, 0, 1, 0x00010114, 0, 0, 0, 0, 0, 0, 0}, /* mouse:forward */
    {0x0808, 0, 1, 0x00010115, 0, 0, 0, 0, 0, 0, 0}, /* mouse:forward-2 */
    {0x0809, 0, 1, 0x00010116, 0, 0, 0, 0, 0, 0, 0}, /* mouse:back-2 */
    {0x080a, 0, 1, 0x00010117, 0, 0, 0, 0, 0, 0, 0}, /* mouse:task */
    {0x080b, 0, 1, 0x00030000, 1, 0, 0, 0, 0, 0, 0}, /* mouse:place */
    {0x080b, 1, 1, 0x00030001, 1, 0, 0, 0, 0, 0, 0}, /* mouse:place */
    {0x0806, 0, 1, 0x00020000, 0, 0, 0, 0, 0, 0, 0}, /* mouse:move */
    {0x0806, 1, 1, 0x00020001, 0, 1, 0, 0, 0, 0, 0}, /* mouse:move */
    {0x0807, 0, 1, 0x0002000c, 0, 4, 0, 0, 0, -120, 120}, /* mouse:wheel */
    {0x0807, 1, 1, 0x0002000b, 0, 4, 0, 0, 0, -120, 120}, /* mouse:wheel */
};

static const nplug_rule any_mouse_usages_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 2, 3, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire any_mouse_usages_wires[] = {
    {0x0801, 0, 2, 0x00090001, 0, 0, 0, 0, 0, 0, 0}, /* mouse:left */
    {0x0802, 0, 2, 0x00090002, 0, 0, 0, 0, 0, 0, 0}, /* mouse:right */
    {0x0803, 0, 2, 0x00090003, 0, 0, 0, 0, 0, 0, 0}, /* mouse:middle */
    {0x0804, 0, 2, 0x00090004, 0, 0, 0, 0, 0, 0, 0}, /* mouse:back */
    {0x0805, 0, 2, 0x00090005, 0, 0, 0, 0, 0, 0, 0}, /* mouse:forward */
    {0x0808, 0, 2, 0x00090006, 0, 0, 0, 0, 0, 0, 0}, /* mouse:forward-2 */
    {0x0809, 0, 2, 0x00090007, 0, 0, 0, 0, 0, 0, 0}, /* mouse:back-2 */
    {0x080a, 0, 2, 0x00090008, 0, 0, 0, 0, 0, 0, 0}, /* mouse:task */
    {0x0806, 0, 2, 0x00010030, 0, 0, 0, 0, 0, 0, 0}, /* mouse:move */
    {0x0806, 1, 2, 0x00010031, 0, 1, 0, 0, 0, 0, 0}, /* mouse:move */
    {0x0807, 0, 2, 0x000c0238, 0, 0, 0, 0, 0, 0, 0}, /* mouse:wheel */
    {0x0807, 1, 2, 0x00010038, 0, 0, 0, 0, 0, 0, 0}, /* mouse:wheel */
};

static const nplug_rule any_mouse_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 2, 2, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire any_mouse_wires[] = {
    {0x0801, 0, 1, 0x00010110, 0, 0, 0, 0, 0, 0, 0}, /* mouse:left */
    {0x0802, 0, 1, 0x00010111, 0, 0, 0, 0, 0, 0, 0}, /* mouse:right */
    {0x0803, 0, 1, 0x00010112, 0, 0, 0, 0, 0, 0, 0}, /* mouse:middle */
    {0x0804, 0, 1, 0x00010113, 0, 0, 0, 0, 0, 0, 0}, /* mouse:back */
    {0x0805, 0, 1, 0x00010114, 0, 0, 0, 0, 0, 0, 0}, /* mouse:forward */
    {0x0808, 0, 1, 0x00010115, 0, 0, 0, 0, 0, 0, 0}, /* mouse:forward-2 */
    {0x0809, 0, 1, 0x00010116, 0, 0, 0, 0, 0, 0, 0}, /* mouse:back-2 */
    {0x080a, 0, 1, 0x00010117, 0, 0, 0, 0, 0, 0, 0}, /* mouse:task */
    {0x080b, 0, 1, 0x00030000, 1, 0, 0, 0, 0, 0, 0}, /* mouse:place */
    {0x080b, 1, 1, 0x00030001, 1, 0, 0, 0, 0, 0, 0}, /* mouse:place */
    {0x0806, 0, 1, 0x00020000, 0, 0, 0, 0, 0, 0, 0}, /* mouse:move */
    {0x0806, 1, 1, 0x00020001, 0, 1, 0, 0, 0, 0, 0}, /* mouse:move */
    {0x0807, 0, 1, 0x00020006, 0, 0, 0, 0, 0, 0, 0}, /* mouse:wheel */
    {0x0807, 1, 1, 0x00020008, 0, 0, 0, 0, 0, 0, 0}, /* mouse:wheel */
};

static const uint32_t any_pad_buttons_codes[] = {0x00030002, 0x00030005, };
static const nplug_rule any_pad_buttons_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 2, 0, 2, any_pad_buttons_codes + 0, any_pad_buttons_codes + 0, 0x00000000, 0, 0},
};
static const nplug_wire any_pad_buttons_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c05, 0, 1, 0x00010220, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00010221, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00010222, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00010223, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c09, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x00010138, 0, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00010139, 0, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030003, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030004, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c11, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c18, 0, 1, 0x00010110, 0, 0, 6, 0, 0, 0, 0}, /* pad:touchpad */
    {0x0c14, 0, 1, 0x00010132, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-left */
    {0x0c15, 0, 1, 0x00010135, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-right */
};

static const uint32_t any_pad_counted_rx_codes[] = {0x00010132, 0x00010135, 0x00030002, 0x00030005, 0x00030003, 0x00030004, };
static const nplug_rule any_pad_counted_rx_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 2, 6, 0, any_pad_counted_rx_codes + 0, any_pad_counted_rx_codes + 6, 0x00000000, 0, 0},
};
static const nplug_wire any_pad_counted_rx_wires[] = {
    {0x0c03, 0, 1, 0x00010130, 0, 64, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c01, 0, 1, 0x00010131, 0, 64, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010132, 0, 64, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c04, 0, 1, 0x00010133, 0, 64, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c09, 0, 1, 0x00010134, 0, 64, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010135, 0, 64, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c11, 0, 1, 0x00010138, 0, 64, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x00010139, 0, 64, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c0f, 0, 1, 0x0001013a, 0, 64, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013b, 0, 64, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c13, 0, 1, 0x0001013c, 0, 64, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c18, 0, 1, 0x0001013d, 0, 64, 0, 0, 0, 0, 0}, /* pad:touchpad */
    {0x0c14, 0, 1, 0x0001013e, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-left */
    {0x0c15, 0, 1, 0x0001013f, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-right */
    {0x0c05, 0, 1, 0x00010220, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00010221, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00010222, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00010223, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c0b, 0, 1, 0x00030003, 1, 64, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00030004, 1, 64, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030002, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030005, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
};

static const uint32_t any_pad_counted_codes[] = {0x00010132, 0x00010135, 0x00030002, 0x00030005, 0x00030003, 0x00030009, 0x00010132, 0x00010135, 0x00010138, 0x00030002, 0x00030005, 0x00010132, 0x00010135, 0x00030002, 0x00030005, 0x0001013a, };
static const nplug_rule any_pad_counted_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 2, 4, 2, any_pad_counted_codes + 0, any_pad_counted_codes + 4, 0x00000000, 0, 0},
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 2, 3, 2, any_pad_counted_codes + 6, any_pad_counted_codes + 9, 0x00000000, 0, 0},
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 2, 2, 3, any_pad_counted_codes + 11, any_pad_counted_codes + 13, 0x00000000, 0, 0},
};
static const nplug_wire any_pad_counted_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 64, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 64, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010132, 0, 64, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010133, 0, 64, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c09, 0, 1, 0x00010134, 0, 64, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010135, 0, 64, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x00010136, 0, 64, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00010137, 0, 64, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c11, 0, 1, 0x00010138, 0, 64, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x00010139, 0, 64, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c0f, 0, 1, 0x0001013a, 0, 64, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013b, 0, 64, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c13, 0, 1, 0x0001013c, 0, 64, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c14, 0, 1, 0x0001013d, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-left */
    {0x0c15, 0, 1, 0x0001013e, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-right */
    {0x0c16, 0, 1, 0x0001013f, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-left-2 */
    {0x0c05, 0, 1, 0x00010220, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00010221, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00010222, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00010223, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030002, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 0, 1, 0x00030003, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030005, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030004, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
};

static const uint32_t any_pad_hats_codes[] = {0x00030014, 0x00030015, 0x00030002, };
static const nplug_rule any_pad_hats_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 2, 2, 1, any_pad_hats_codes + 0, any_pad_hats_codes + 2, 0x00000000, 0, 0},
};
static const nplug_wire any_pad_hats_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c05, 0, 1, 0x00010220, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00010221, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00010222, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00010223, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c09, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x00030015, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00030014, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030003, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030004, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c11, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c18, 0, 1, 0x00010110, 0, 0, 6, 0, 0, 0, 0}, /* pad:touchpad */
};

static const uint32_t any_pad_lettered_codes[] = {0x00030002, 0x00030005, 0x00030003, 0x00030004, 0x00010138, 0x00010138, 0x00010139, 0x00030003, 0x00030004, 0x00030002, };
static const nplug_rule any_pad_lettered_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 2, 4, 1, any_pad_lettered_codes + 0, any_pad_lettered_codes + 4, 0x00030000, 16, 128},
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 2, 4, 1, any_pad_lettered_codes + 5, any_pad_lettered_codes + 9, 0x00030000, 16, 128},
};
static const nplug_wire any_pad_lettered_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c05, 0, 1, 0x00010220, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c05, 0, 1, 0x000102c2, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00010221, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c06, 0, 1, 0x000102c3, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00010222, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c07, 0, 1, 0x000102c0, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00010223, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c08, 0, 1, 0x000102c1, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c09, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c09, 0, 1, 0x00010135, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0a, 0, 1, 0x00010132, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x00030002, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0b, 0, 1, 0x00010138, 0, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00030005, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0c, 0, 1, 0x00010139, 0, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030003, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030004, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c11, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c14, 0, 1, 0x000102c6, 0, 0, 0, 0, 0, 0, 0}, /* pad:rear-left */
    {0x0c15, 0, 1, 0x000102c4, 0, 0, 0, 0, 0, 0, 0}, /* pad:rear-right */
    {0x0c16, 0, 1, 0x000102c7, 0, 0, 0, 0, 0, 0, 0}, /* pad:rear-left-2 */
    {0x0c17, 0, 1, 0x000102c5, 0, 0, 0, 0, 0, 0, 0}, /* pad:rear-right-2 */
};

static const uint32_t any_pad_pedals_codes[] = {0x00030002, 0x00030005, 0x00030009, 0x0003000a, 0x00030003, };
static const nplug_rule any_pad_pedals_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 2, 4, 1, any_pad_pedals_codes + 0, any_pad_pedals_codes + 4, 0x00000000, 0, 0},
};
static const nplug_wire any_pad_pedals_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 64, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 64, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010133, 0, 64, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010134, 0, 64, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c09, 0, 1, 0x00010136, 0, 64, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 64, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c12, 0, 1, 0x0001013b, 0, 64, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c0f, 0, 1, 0x0001013d, 0, 64, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 64, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c14, 0, 1, 0x00010132, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-left */
    {0x0c15, 0, 1, 0x00010135, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-right */
    {0x0c16, 0, 1, 0x0001013f, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-left-2 */
    {0x0c11, 0, 1, 0x0001013a, 0, 64, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c11, 0, 1, 0x0001009e, 0, 64, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c13, 0, 1, 0x0001013c, 0, 64, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c13, 0, 1, 0x000100ac, 0, 64, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c05, 0, 1, 0x00010220, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00010221, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00010222, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00010223, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c0b, 0, 1, 0x0003000a, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00030009, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030002, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030005, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
};

static const uint32_t any_pad_usages_pedals_codes[] = {0x00010032, 0x00010035, 0x000200c4, 0x000200c5, 0x00010033, };
static const nplug_rule any_pad_usages_pedals_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 3, 4, 1, any_pad_usages_pedals_codes + 0, any_pad_usages_pedals_codes + 4, 0x00000000, 0, 0},
};
static const nplug_wire any_pad_usages_pedals_wires[] = {
    {0x0c01, 0, 2, 0x00090001, 0, 64, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 2, 0x00090002, 0, 64, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c14, 0, 2, 0x00090003, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-left */
    {0x0c03, 0, 2, 0x00090004, 0, 64, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 2, 0x00090005, 0, 64, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c15, 0, 2, 0x00090006, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-right */
    {0x0c09, 0, 2, 0x00090007, 0, 64, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 2, 0x00090008, 0, 64, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c11, 0, 2, 0x0009000b, 0, 64, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 2, 0x0009000c, 0, 64, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 2, 0x0009000d, 0, 64, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c0f, 0, 2, 0x0009000e, 0, 64, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 2, 0x0009000f, 0, 64, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c16, 0, 2, 0x00090010, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-left-2 */
    {0x0c05, 0, 2, 0x00010039, 7, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c05, 0, 2, 0x00010090, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 2, 0x00010039, 9, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c06, 0, 2, 0x00010091, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c08, 0, 2, 0x00010039, 8, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c08, 0, 2, 0x00010092, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c07, 0, 2, 0x00010039, 10, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c07, 0, 2, 0x00010093, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c0b, 0, 2, 0x000200c5, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 2, 0x000200c4, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 2, 0x00010030, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 2, 0x00010031, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 2, 0x00010032, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 2, 0x00010035, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
};

static const uint32_t any_pad_usages_rx_codes[] = {0x00010032, 0x00010033, 0x00010034, 0x00010035, };
static const nplug_rule any_pad_usages_rx_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 3, 4, 0, any_pad_usages_rx_codes + 0, any_pad_usages_rx_codes + 4, 0x00000000, 0, 0},
};
static const nplug_wire any_pad_usages_rx_wires[] = {
    {0x0c01, 0, 2, 0x00090001, 0, 64, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 2, 0x00090002, 0, 64, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 2, 0x00090003, 0, 64, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 2, 0x00090004, 0, 64, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c09, 0, 2, 0x00090005, 0, 64, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 2, 0x00090006, 0, 64, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c11, 0, 2, 0x00090009, 0, 64, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 2, 0x0009000a, 0, 64, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c0f, 0, 2, 0x0009000b, 0, 64, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 2, 0x0009000c, 0, 64, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c13, 0, 2, 0x0009000d, 0, 64, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c14, 0, 2, 0x0009000e, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-left */
    {0x0c15, 0, 2, 0x0009000f, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-right */
    {0x0c16, 0, 2, 0x00090010, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-left-2 */
    {0x0c05, 0, 2, 0x00010039, 7, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c05, 0, 2, 0x00010090, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 2, 0x00010039, 9, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c06, 0, 2, 0x00010091, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c08, 0, 2, 0x00010039, 8, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c08, 0, 2, 0x00010092, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c07, 0, 2, 0x00010039, 10, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c07, 0, 2, 0x00010093, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c0b, 0, 2, 0x00010032, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 2, 0x00010035, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 2, 0x00010030, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 2, 0x00010031, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 2, 0x00010033, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 2, 0x00010034, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
};

static const nplug_rule any_pad_usages_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 3, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire any_pad_usages_wires[] = {
    {0x0c01, 0, 2, 0x00090001, 0, 64, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 2, 0x00090002, 0, 64, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 2, 0x00090003, 0, 64, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 2, 0x00090004, 0, 64, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c09, 0, 2, 0x00090005, 0, 64, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 2, 0x00090006, 0, 64, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 2, 0x00090007, 0, 64, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 2, 0x00090008, 0, 64, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c11, 0, 2, 0x00090009, 0, 64, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 2, 0x0009000a, 0, 64, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c0f, 0, 2, 0x0009000b, 0, 64, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 2, 0x0009000c, 0, 64, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c13, 0, 2, 0x0009000d, 0, 64, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c14, 0, 2, 0x0009000e, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-left */
    {0x0c15, 0, 2, 0x0009000f, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-right */
    {0x0c16, 0, 2, 0x00090010, 0, 64, 0, 0, 0, 0, 0}, /* pad:rear-left-2 */
    {0x0c05, 0, 2, 0x00010039, 7, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c05, 0, 2, 0x00010090, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 2, 0x00010039, 9, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c06, 0, 2, 0x00010091, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c08, 0, 2, 0x00010039, 8, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c08, 0, 2, 0x00010092, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c07, 0, 2, 0x00010039, 10, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c07, 0, 2, 0x00010093, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c0d, 0, 2, 0x00010030, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 2, 0x00010031, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 2, 0x00010032, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 2, 0x00010035, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
};

static const nplug_rule any_pad_w3c_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 4, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire any_pad_w3c_wires[] = {
    {0x0c01, 0, 3, 0x00000000, 1, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 3, 0x00000001, 1, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 3, 0x00000002, 1, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 3, 0x00000003, 1, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c09, 0, 3, 0x00000004, 1, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 3, 0x00000005, 1, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 3, 0x00000006, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 3, 0x00000007, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c11, 0, 3, 0x00000008, 1, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 3, 0x00000009, 1, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c0f, 0, 3, 0x0000000a, 1, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 3, 0x0000000b, 1, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c05, 0, 3, 0x0000000c, 1, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 3, 0x0000000d, 1, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 3, 0x0000000e, 1, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 3, 0x0000000f, 1, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c13, 0, 3, 0x00000010, 1, 0, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c0d, 0, 3, 0x00000100, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 3, 0x00000101, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 3, 0x00000102, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 3, 0x00000103, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
};

static const uint32_t any_pad_z_codes[] = {0x00030002, 0x00030005, 0x00030003, };
static const nplug_rule any_pad_z_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 2, 2, 1, any_pad_z_codes + 0, any_pad_z_codes + 2, 0x00000000, 0, 0},
};
static const nplug_wire any_pad_z_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c05, 0, 1, 0x00010220, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00010221, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00010222, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00010223, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c09, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x00010138, 0, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00010139, 0, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030002, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030005, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c11, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c18, 0, 1, 0x00010110, 0, 0, 6, 0, 0, 0, 0}, /* pad:touchpad */
};

static const nplug_rule any_pad_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 3, 2, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire any_pad_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c05, 0, 1, 0x00010220, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00010221, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00010222, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00010223, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c09, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x00030002, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00030005, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030003, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030004, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c11, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c14, 0, 1, 0x000102c6, 0, 0, 0, 0, 0, 0, 0}, /* pad:rear-left */
    {0x0c15, 0, 1, 0x000102c4, 0, 0, 0, 0, 0, 0, 0}, /* pad:rear-right */
    {0x0c16, 0, 1, 0x000102c7, 0, 0, 0, 0, 0, 0, 0}, /* pad:rear-left-2 */
    {0x0c17, 0, 1, 0x000102c5, 0, 0, 0, 0, 0, 0, 0}, /* pad:rear-right-2 */
    {0x0c18, 0, 1, 0x00010110, 0, 0, 6, 0, 0, 0, 0}, /* pad:touchpad */
};

static const nplug_rule any_stick_usages_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 4, 3, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire any_stick_usages_wires[] = {
    {0x1001, 0, 2, 0x00010030, 0, 0, 0, 0, 0, 0, 0}, /* stick:aileron */
    {0x1002, 0, 2, 0x00010031, 0, 1, 0, 0, 0, 0, 0}, /* stick:elevator */
    {0x1003, 0, 2, 0x00010035, 0, 0, 0, 0, 0, 0, 0}, /* stick:twist */
    {0x1010, 0, 2, 0x000200bb, 2, 8, 0, 0, 0, 0, 0}, /* stick:throttle */
    {0x1004, 0, 2, 0x000200ba, 0, 0, 0, 0, 0, 0, 0}, /* stick:rudder */
    {0x1005, 0, 2, 0x000200c5, 1, 0, 0, 0, 0, 0, 0}, /* stick:brake-left */
    {0x1006, 0, 2, 0x000200c4, 1, 0, 0, 0, 0, 0, 0}, /* stick:brake-right */
    {0x1014, 0, 2, 0x00010036, 1, 8, 0, 0, 0, 0, 0}, /* stick:slider-1 */
    {0x1015, 0, 2, 0x00010037, 1, 8, 0, 0, 0, 0, 0}, /* stick:slider-2 */
    {0x1018, 0, 2, 0x00010032, 1, 8, 0, 0, 0, 0, 0}, /* stick:dial-1 */
    {0x1019, 0, 2, 0x00010033, 1, 8, 0, 0, 0, 0, 0}, /* stick:dial-2 */
    {0x101a, 0, 2, 0x00010034, 1, 8, 0, 0, 0, 0, 0}, /* stick:dial-3 */
    {0x1020, 0, 2, 0x00010039, 11, 0, 0, 0, 0, 0, 0}, /* stick:hat-1 */
    {0x1020, 1, 2, 0x00010039, 12, 0, 0, 0, 0, 0, 0}, /* stick:hat-1 */
    {0x1040, 0, 2, 0x00090001, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-1 */
    {0x1041, 0, 2, 0x00090002, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-2 */
    {0x1042, 0, 2, 0x00090003, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-3 */
    {0x1043, 0, 2, 0x00090004, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-4 */
    {0x1044, 0, 2, 0x00090005, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-5 */
    {0x1045, 0, 2, 0x00090006, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-6 */
    {0x1046, 0, 2, 0x00090007, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-7 */
    {0x1047, 0, 2, 0x00090008, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-8 */
    {0x1048, 0, 2, 0x00090009, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-9 */
    {0x1049, 0, 2, 0x0009000a, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-10 */
    {0x104a, 0, 2, 0x0009000b, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-11 */
    {0x104b, 0, 2, 0x0009000c, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-12 */
    {0x104c, 0, 2, 0x0009000d, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-13 */
    {0x104d, 0, 2, 0x0009000e, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-14 */
    {0x104e, 0, 2, 0x0009000f, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-15 */
    {0x104f, 0, 2, 0x00090010, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-16 */
    {0x1050, 0, 2, 0x00090011, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-17 */
    {0x1051, 0, 2, 0x00090012, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-18 */
    {0x1052, 0, 2, 0x00090013, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-19 */
    {0x1053, 0, 2, 0x00090014, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-20 */
    {0x1054, 0, 2, 0x00090015, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-21 */
    {0x1055, 0, 2, 0x00090016, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-22 */
    {0x1056, 0, 2, 0x00090017, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-23 */
    {0x1057, 0, 2, 0x00090018, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-24 */
    {0x1058, 0, 2, 0x00090019, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-25 */
    {0x1059, 0, 2, 0x0009001a, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-26 */
    {0x105a, 0, 2, 0x0009001b, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-27 */
    {0x105b, 0, 2, 0x0009001c, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-28 */
    {0x105c, 0, 2, 0x0009001d, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-29 */
    {0x105d, 0, 2, 0x0009001e, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-30 */
    {0x105e, 0, 2, 0x0009001f, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-31 */
    {0x105f, 0, 2, 0x00090020, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-32 */
    {0x1060, 0, 2, 0x00090021, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-33 */
    {0x1061, 0, 2, 0x00090022, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-34 */
    {0x1062, 0, 2, 0x00090023, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-35 */
    {0x1063, 0, 2, 0x00090024, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-36 */
    {0x1064, 0, 2, 0x00090025, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-37 */
    {0x1065, 0, 2, 0x00090026, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-38 */
    {0x1066, 0, 2, 0x00090027, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-39 */
    {0x1067, 0, 2, 0x00090028, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-40 */
    {0x1068, 0, 2, 0x00090029, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-41 */
    {0x1069, 0, 2, 0x0009002a, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-42 */
    {0x106a, 0, 2, 0x0009002b, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-43 */
    {0x106b, 0, 2, 0x0009002c, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-44 */
    {0x106c, 0, 2, 0x0009002d, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-45 */
    {0x106d, 0, 2, 0x0009002e, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-46 */
    {0x106e, 0, 2, 0x0009002f, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-47 */
    {0x106f, 0, 2, 0x00090030, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-48 */
    {0x1070, 0, 2, 0x00090031, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-49 */
    {0x1071, 0, 2, 0x00090032, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-50 */
    {0x1072, 0, 2, 0x00090033, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-51 */
    {0x1073, 0, 2, 0x00090034, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-52 */
    {0x1074, 0, 2, 0x00090035, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-53 */
    {0x1075, 0, 2, 0x00090036, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-54 */
    {0x1076, 0, 2, 0x00090037, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-55 */
    {0x1077, 0, 2, 0x00090038, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-56 */
    {0x1078, 0, 2, 0x00090039, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-57 */
    {0x1079, 0, 2, 0x0009003a, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-58 */
    {0x107a, 0, 2, 0x0009003b, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-59 */
    {0x107b, 0, 2, 0x0009003c, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-60 */
    {0x107c, 0, 2, 0x0009003d, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-61 */
    {0x107d, 0, 2, 0x0009003e, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-62 */
    {0x107e, 0, 2, 0x0009003f, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-63 */
    {0x107f, 0, 2, 0x00090040, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-64 */
    {0x1080, 0, 2, 0x00090041, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-65 */
    {0x1081, 0, 2, 0x00090042, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-66 */
    {0x1082, 0, 2, 0x00090043, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-67 */
    {0x1083, 0, 2, 0x00090044, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-68 */
    {0x1084, 0, 2, 0x00090045, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-69 */
    {0x1085, 0, 2, 0x00090046, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-70 */
    {0x1086, 0, 2, 0x00090047, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-71 */
    {0x1087, 0, 2, 0x00090048, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-72 */
    {0x1088, 0, 2, 0x00090049, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-73 */
    {0x1089, 0, 2, 0x0009004a, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-74 */
    {0x108a, 0, 2, 0x0009004b, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-75 */
    {0x108b, 0, 2, 0x0009004c, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-76 */
    {0x108c, 0, 2, 0x0009004d, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-77 */
    {0x108d, 0, 2, 0x0009004e, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-78 */
    {0x108e, 0, 2, 0x0009004f, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-79 */
    {0x108f, 0, 2, 0x00090050, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-80 */
    {0x1090, 0, 2, 0x00090051, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-81 */
    {0x1091, 0, 2, 0x00090052, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-82 */
    {0x1092, 0, 2, 0x00090053, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-83 */
    {0x1093, 0, 2, 0x00090054, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-84 */
    {0x1094, 0, 2, 0x00090055, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-85 */
    {0x1095, 0, 2, 0x00090056, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-86 */
    {0x1096, 0, 2, 0x00090057, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-87 */
    {0x1097, 0, 2, 0x00090058, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-88 */
    {0x1098, 0, 2, 0x00090059, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-89 */
    {0x1099, 0, 2, 0x0009005a, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-90 */
    {0x109a, 0, 2, 0x0009005b, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-91 */
    {0x109b, 0, 2, 0x0009005c, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-92 */
    {0x109c, 0, 2, 0x0009005d, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-93 */
    {0x109d, 0, 2, 0x0009005e, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-94 */
    {0x109e, 0, 2, 0x0009005f, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-95 */
    {0x109f, 0, 2, 0x00090060, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-96 */
    {0x10a0, 0, 2, 0x00090061, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-97 */
    {0x10a1, 0, 2, 0x00090062, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-98 */
    {0x10a2, 0, 2, 0x00090063, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-99 */
    {0x10a3, 0, 2, 0x00090064, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-100 */
    {0x10a4, 0, 2, 0x00090065, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-101 */
    {0x10a5, 0, 2, 0x00090066, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-102 */
    {0x10a6, 0, 2, 0x00090067, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-103 */
    {0x10a7, 0, 2, 0x00090068, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-104 */
    {0x10a8, 0, 2, 0x00090069, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-105 */
    {0x10a9, 0, 2, 0x0009006a, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-106 */
    {0x10aa, 0, 2, 0x0009006b, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-107 */
    {0x10ab, 0, 2, 0x0009006c, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-108 */
    {0x10ac, 0, 2, 0x0009006d, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-109 */
    {0x10ad, 0, 2, 0x0009006e, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-110 */
    {0x10ae, 0, 2, 0x0009006f, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-111 */
    {0x10af, 0, 2, 0x00090070, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-112 */
    {0x10b0, 0, 2, 0x00090071, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-113 */
    {0x10b1, 0, 2, 0x00090072, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-114 */
    {0x10b2, 0, 2, 0x00090073, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-115 */
    {0x10b3, 0, 2, 0x00090074, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-116 */
    {0x10b4, 0, 2, 0x00090075, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-117 */
    {0x10b5, 0, 2, 0x00090076, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-118 */
    {0x10b6, 0, 2, 0x00090077, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-119 */
    {0x10b7, 0, 2, 0x00090078, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-120 */
    {0x10b8, 0, 2, 0x00090079, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-121 */
    {0x10b9, 0, 2, 0x0009007a, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-122 */
    {0x10ba, 0, 2, 0x0009007b, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-123 */
    {0x10bb, 0, 2, 0x0009007c, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-124 */
    {0x10bc, 0, 2, 0x0009007d, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-125 */
    {0x10bd, 0, 2, 0x0009007e, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-126 */
    {0x10be, 0, 2, 0x0009007f, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-127 */
    {0x10bf, 0, 2, 0x00090080, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-128 */
};

static const nplug_rule any_stick_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 4, 2, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire any_stick_wires[] = {
    {0x1001, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* stick:aileron */
    {0x1002, 0, 1, 0x00030001, 0, 1, 0, 0, 0, 0, 0}, /* stick:elevator */
    {0x1003, 0, 1, 0x00030005, 0, 0, 0, 0, 0, 0, 0}, /* stick:twist */
    {0x1010, 0, 1, 0x00030006, 2, 8, 0, 0, 0, 0, 0}, /* stick:throttle */
    {0x1004, 0, 1, 0x00030007, 0, 0, 0, 0, 0, 0, 0}, /* stick:rudder */
    {0x1005, 0, 1, 0x0003000a, 1, 0, 0, 0, 0, 0, 0}, /* stick:brake-left */
    {0x1006, 0, 1, 0x00030009, 1, 0, 0, 0, 0, 0, 0}, /* stick:brake-right */
    {0x1014, 0, 1, 0x00030002, 1, 8, 0, 0, 0, 0, 0}, /* stick:slider-1 */
    {0x1015, 0, 1, 0x00030008, 1, 8, 0, 0, 0, 0, 0}, /* stick:slider-2 */
    {0x1016, 0, 1, 0x00030028, 1, 8, 0, 0, 0, 0, 0}, /* stick:slider-3 */
    {0x1018, 0, 1, 0x00030003, 1, 8, 0, 0, 0, 0, 0}, /* stick:dial-1 */
    {0x1019, 0, 1, 0x00030004, 1, 8, 0, 0, 0, 0, 0}, /* stick:dial-2 */
    {0x1020, 0, 1, 0x00030010, 0, 0, 0, 0, 0, 0, 0}, /* stick:hat-1 */
    {0x1020, 1, 1, 0x00030011, 0, 1, 0, 0, 0, 0, 0}, /* stick:hat-1 */
    {0x1021, 0, 1, 0x00030012, 0, 0, 0, 0, 0, 0, 0}, /* stick:hat-2 */
    {0x1021, 1, 1, 0x00030013, 0, 1, 0, 0, 0, 0, 0}, /* stick:hat-2 */
    {0x1022, 0, 1, 0x00030014, 0, 0, 0, 0, 0, 0, 0}, /* stick:hat-3 */
    {0x1022, 1, 1, 0x00030015, 0, 1, 0, 0, 0, 0, 0}, /* stick:hat-3 */
    {0x1023, 0, 1, 0x00030016, 0, 0, 0, 0, 0, 0, 0}, /* stick:hat-4 */
    {0x1023, 1, 1, 0x00030017, 0, 1, 0, 0, 0, 0, 0}, /* stick:hat-4 */
    {0x1040, 0, 1, 0x00010120, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-1 */
    {0x1041, 0, 1, 0x00010121, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-2 */
    {0x1042, 0, 1, 0x00010122, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-3 */
    {0x1043, 0, 1, 0x00010123, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-4 */
    {0x1044, 0, 1, 0x00010124, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-5 */
    {0x1045, 0, 1, 0x00010125, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-6 */
    {0x1046, 0, 1, 0x00010126, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-7 */
    {0x1047, 0, 1, 0x00010127, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-8 */
    {0x1048, 0, 1, 0x00010128, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-9 */
    {0x1049, 0, 1, 0x00010129, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-10 */
    {0x104a, 0, 1, 0x0001012a, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-11 */
    {0x104b, 0, 1, 0x0001012b, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-12 */
    {0x104c, 0, 1, 0x0001012c, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-13 */
    {0x104d, 0, 1, 0x0001012d, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-14 */
    {0x104e, 0, 1, 0x0001012e, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-15 */
    {0x104f, 0, 1, 0x0001012f, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-16 */
    {0x1050, 0, 1, 0x000102c0, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-17 */
    {0x1051, 0, 1, 0x000102c1, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-18 */
    {0x1052, 0, 1, 0x000102c2, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-19 */
    {0x1053, 0, 1, 0x000102c3, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-20 */
    {0x1054, 0, 1, 0x000102c4, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-21 */
    {0x1055, 0, 1, 0x000102c5, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-22 */
    {0x1056, 0, 1, 0x000102c6, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-23 */
    {0x1057, 0, 1, 0x000102c7, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-24 */
    {0x1058, 0, 1, 0x000102c8, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-25 */
    {0x1059, 0, 1, 0x000102c9, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-26 */
    {0x105a, 0, 1, 0x000102ca, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-27 */
    {0x105b, 0, 1, 0x000102cb, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-28 */
    {0x105c, 0, 1, 0x000102cc, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-29 */
    {0x105d, 0, 1, 0x000102cd, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-30 */
    {0x105e, 0, 1, 0x000102ce, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-31 */
    {0x105f, 0, 1, 0x000102cf, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-32 */
    {0x1060, 0, 1, 0x000102d0, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-33 */
    {0x1061, 0, 1, 0x000102d1, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-34 */
    {0x1062, 0, 1, 0x000102d2, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-35 */
    {0x1063, 0, 1, 0x000102d3, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-36 */
    {0x1064, 0, 1, 0x000102d4, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-37 */
    {0x1065, 0, 1, 0x000102d5, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-38 */
    {0x1066, 0, 1, 0x000102d6, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-39 */
    {0x1067, 0, 1, 0x000102d7, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-40 */
    {0x1068, 0, 1, 0x000102d8, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-41 */
    {0x1069, 0, 1, 0x000102d9, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-42 */
    {0x106a, 0, 1, 0x000102da, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-43 */
    {0x106b, 0, 1, 0x000102db, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-44 */
    {0x106c, 0, 1, 0x000102dc, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-45 */
    {0x106d, 0, 1, 0x000102dd, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-46 */
    {0x106e, 0, 1, 0x000102de, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-47 */
    {0x106f, 0, 1, 0x000102df, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-48 */
    {0x1070, 0, 1, 0x000102e0, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-49 */
    {0x1071, 0, 1, 0x000102e1, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-50 */
    {0x1072, 0, 1, 0x000102e2, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-51 */
    {0x1073, 0, 1, 0x000102e3, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-52 */
    {0x1074, 0, 1, 0x000102e4, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-53 */
    {0x1075, 0, 1, 0x000102e5, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-54 */
    {0x1076, 0, 1, 0x000102e6, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-55 */
    {0x1077, 0, 1, 0x000102e7, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-56 */
    {0x1078, 0, 1, 0x00010100, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-57 */
    {0x1079, 0, 1, 0x00010101, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-58 */
    {0x107a, 0, 1, 0x00010102, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-59 */
    {0x107b, 0, 1, 0x00010103, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-60 */
    {0x107c, 0, 1, 0x00010104, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-61 */
    {0x107d, 0, 1, 0x00010105, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-62 */
    {0x107e, 0, 1, 0x00010106, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-63 */
    {0x107f, 0, 1, 0x00010107, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-64 */
    {0x1080, 0, 1, 0x00010108, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-65 */
    {0x1081, 0, 1, 0x00010109, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-66 */
    {0x1082, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-67 */
    {0x1083, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-68 */
    {0x1084, 0, 1, 0x00010132, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-69 */
    {0x1085, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-70 */
    {0x1086, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-71 */
    {0x1087, 0, 1, 0x00010135, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-72 */
    {0x1088, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-73 */
    {0x1089, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-74 */
    {0x108a, 0, 1, 0x00010138, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-75 */
    {0x108b, 0, 1, 0x00010139, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-76 */
    {0x108c, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-77 */
    {0x108d, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-78 */
    {0x108e, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-79 */
    {0x108f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-80 */
    {0x1090, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-81 */
    {0x1091, 0, 1, 0x0001013f, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-82 */
};

static const uint32_t any_touch_one_codes[] = {0x0001014a, 0x00030035, };
static const nplug_rule any_touch_one_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 6, 2, 1, 1, any_touch_one_codes + 0, any_touch_one_codes + 1, 0x00000000, 0, 0},
};
static const nplug_wire any_touch_one_wires[] = {
    {0x1801, 0, 1, 0x00030000, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-1 */
    {0x1801, 1, 1, 0x00030001, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-1 */
    {0x1820, 0, 1, 0x0001014a, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-1 */
    {0x1840, 0, 1, 0x00030018, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-1 */
    {0x1860, 0, 1, 0x0001014b, 13, 0, 0, 0, 0, 0, 0}, /* touch:pen-button-1 */
    {0x1861, 0, 1, 0x0001014c, 13, 0, 0, 0, 0, 0, 0}, /* touch:pen-button-2 */
    {0x1862, 0, 1, 0x00010149, 13, 0, 0, 0, 0, 0, 0}, /* touch:pen-button-3 */
    {0x1868, 0, 1, 0x00010140, 13, 0, 0, 0, 0, 0, 0}, /* touch:near */
    {0x1868, 0, 1, 0x00010141, 13, 0, 0, 0, 0, 0, 0}, /* touch:near */
};

static const nplug_rule any_touch_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 6, 2, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire any_touch_wires[] = {
    {0x1801, 0, 1, 0x00030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-1 */
    {0x1801, 1, 1, 0x00030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-1 */
    {0x1820, 0, 1, 0x00030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-1 */
    {0x1840, 0, 1, 0x0003003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-1 */
    {0x1802, 0, 1, 0x01030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-2 */
    {0x1802, 1, 1, 0x01030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-2 */
    {0x1821, 0, 1, 0x01030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-2 */
    {0x1841, 0, 1, 0x0103003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-2 */
    {0x1803, 0, 1, 0x02030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-3 */
    {0x1803, 1, 1, 0x02030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-3 */
    {0x1822, 0, 1, 0x02030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-3 */
    {0x1842, 0, 1, 0x0203003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-3 */
    {0x1804, 0, 1, 0x03030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-4 */
    {0x1804, 1, 1, 0x03030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-4 */
    {0x1823, 0, 1, 0x03030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-4 */
    {0x1843, 0, 1, 0x0303003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-4 */
    {0x1805, 0, 1, 0x04030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-5 */
    {0x1805, 1, 1, 0x04030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-5 */
    {0x1824, 0, 1, 0x04030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-5 */
    {0x1844, 0, 1, 0x0403003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-5 */
    {0x1806, 0, 1, 0x05030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-6 */
    {0x1806, 1, 1, 0x05030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-6 */
    {0x1825, 0, 1, 0x05030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-6 */
    {0x1845, 0, 1, 0x0503003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-6 */
    {0x1807, 0, 1, 0x06030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-7 */
    {0x1807, 1, 1, 0x06030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-7 */
    {0x1826, 0, 1, 0x06030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-7 */
    {0x1846, 0, 1, 0x0603003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-7 */
    {0x1808, 0, 1, 0x07030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-8 */
    {0x1808, 1, 1, 0x07030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-8 */
    {0x1827, 0, 1, 0x07030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-8 */
    {0x1847, 0, 1, 0x0703003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-8 */
    {0x1809, 0, 1, 0x08030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-9 */
    {0x1809, 1, 1, 0x08030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-9 */
    {0x1828, 0, 1, 0x08030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-9 */
    {0x1848, 0, 1, 0x0803003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-9 */
    {0x180a, 0, 1, 0x09030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-10 */
    {0x180a, 1, 1, 0x09030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-10 */
    {0x1829, 0, 1, 0x09030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-10 */
    {0x1849, 0, 1, 0x0903003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-10 */
    {0x180b, 0, 1, 0x0a030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-11 */
    {0x180b, 1, 1, 0x0a030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-11 */
    {0x182a, 0, 1, 0x0a030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-11 */
    {0x184a, 0, 1, 0x0a03003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-11 */
    {0x180c, 0, 1, 0x0b030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-12 */
    {0x180c, 1, 1, 0x0b030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-12 */
    {0x182b, 0, 1, 0x0b030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-12 */
    {0x184b, 0, 1, 0x0b03003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-12 */
    {0x180d, 0, 1, 0x0c030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-13 */
    {0x180d, 1, 1, 0x0c030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-13 */
    {0x182c, 0, 1, 0x0c030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-13 */
    {0x184c, 0, 1, 0x0c03003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-13 */
    {0x180e, 0, 1, 0x0d030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-14 */
    {0x180e, 1, 1, 0x0d030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-14 */
    {0x182d, 0, 1, 0x0d030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-14 */
    {0x184d, 0, 1, 0x0d03003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-14 */
    {0x180f, 0, 1, 0x0e030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-15 */
    {0x180f, 1, 1, 0x0e030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-15 */
    {0x182e, 0, 1, 0x0e030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-15 */
    {0x184e, 0, 1, 0x0e03003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-15 */
    {0x1810, 0, 1, 0x0f030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-16 */
    {0x1810, 1, 1, 0x0f030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-16 */
    {0x182f, 0, 1, 0x0f030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-16 */
    {0x184f, 0, 1, 0x0f03003a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-16 */
};

static const nplug_rule any_wheel_usages_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 5, 3, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire any_wheel_usages_wires[] = {
    {0x1401, 0, 2, 0x000200c8, 0, 0, 0, 0, 0, 0, 0}, /* wheel:steering */
    {0x1402, 0, 2, 0x000200c4, 1, 0, 0, 0, 0, 0, 0}, /* wheel:accelerator */
    {0x1403, 0, 2, 0x000200c5, 1, 0, 0, 0, 0, 0, 0}, /* wheel:brake */
    {0x1404, 0, 2, 0x000200c6, 1, 0, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1420, 0, 2, 0x00010039, 11, 0, 0, 0, 0, 0, 0}, /* wheel:hat-1 */
    {0x1420, 1, 2, 0x00010039, 12, 0, 0, 0, 0, 0, 0}, /* wheel:hat-1 */
    {0x1440, 0, 2, 0x00090001, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-1 */
    {0x1441, 0, 2, 0x00090002, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-2 */
    {0x1442, 0, 2, 0x00090003, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-3 */
    {0x1443, 0, 2, 0x00090004, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-4 */
    {0x1444, 0, 2, 0x00090005, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-5 */
    {0x1445, 0, 2, 0x00090006, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-6 */
    {0x1446, 0, 2, 0x00090007, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-7 */
    {0x1447, 0, 2, 0x00090008, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-8 */
    {0x1448, 0, 2, 0x00090009, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-9 */
    {0x1449, 0, 2, 0x0009000a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-10 */
    {0x144a, 0, 2, 0x0009000b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-11 */
    {0x144b, 0, 2, 0x0009000c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-12 */
    {0x144c, 0, 2, 0x0009000d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-13 */
    {0x144d, 0, 2, 0x0009000e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-14 */
    {0x144e, 0, 2, 0x0009000f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-15 */
    {0x144f, 0, 2, 0x00090010, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-16 */
    {0x1450, 0, 2, 0x00090011, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-17 */
    {0x1451, 0, 2, 0x00090012, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-18 */
    {0x1452, 0, 2, 0x00090013, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-19 */
    {0x1453, 0, 2, 0x00090014, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-20 */
    {0x1454, 0, 2, 0x00090015, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-21 */
    {0x1455, 0, 2, 0x00090016, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-22 */
    {0x1456, 0, 2, 0x00090017, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-23 */
    {0x1457, 0, 2, 0x00090018, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-24 */
    {0x1458, 0, 2, 0x00090019, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-25 */
    {0x1459, 0, 2, 0x0009001a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-26 */
    {0x145a, 0, 2, 0x0009001b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-27 */
    {0x145b, 0, 2, 0x0009001c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-28 */
    {0x145c, 0, 2, 0x0009001d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-29 */
    {0x145d, 0, 2, 0x0009001e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-30 */
    {0x145e, 0, 2, 0x0009001f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-31 */
    {0x145f, 0, 2, 0x00090020, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-32 */
    {0x1460, 0, 2, 0x00090021, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-33 */
    {0x1461, 0, 2, 0x00090022, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-34 */
    {0x1462, 0, 2, 0x00090023, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-35 */
    {0x1463, 0, 2, 0x00090024, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-36 */
    {0x1464, 0, 2, 0x00090025, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-37 */
    {0x1465, 0, 2, 0x00090026, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-38 */
    {0x1466, 0, 2, 0x00090027, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-39 */
    {0x1467, 0, 2, 0x00090028, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-40 */
    {0x1468, 0, 2, 0x00090029, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-41 */
    {0x1469, 0, 2, 0x0009002a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-42 */
    {0x146a, 0, 2, 0x0009002b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-43 */
    {0x146b, 0, 2, 0x0009002c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-44 */
    {0x146c, 0, 2, 0x0009002d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-45 */
    {0x146d, 0, 2, 0x0009002e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-46 */
    {0x146e, 0, 2, 0x0009002f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-47 */
    {0x146f, 0, 2, 0x00090030, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-48 */
    {0x1470, 0, 2, 0x00090031, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-49 */
    {0x1471, 0, 2, 0x00090032, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-50 */
    {0x1472, 0, 2, 0x00090033, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-51 */
    {0x1473, 0, 2, 0x00090034, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-52 */
    {0x1474, 0, 2, 0x00090035, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-53 */
    {0x1475, 0, 2, 0x00090036, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-54 */
    {0x1476, 0, 2, 0x00090037, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-55 */
    {0x1477, 0, 2, 0x00090038, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-56 */
    {0x1478, 0, 2, 0x00090039, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-57 */
    {0x1479, 0, 2, 0x0009003a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-58 */
    {0x147a, 0, 2, 0x0009003b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-59 */
    {0x147b, 0, 2, 0x0009003c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-60 */
    {0x147c, 0, 2, 0x0009003d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-61 */
    {0x147d, 0, 2, 0x0009003e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-62 */
    {0x147e, 0, 2, 0x0009003f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-63 */
    {0x147f, 0, 2, 0x00090040, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-64 */
    {0x1480, 0, 2, 0x00090041, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-65 */
    {0x1481, 0, 2, 0x00090042, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-66 */
    {0x1482, 0, 2, 0x00090043, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-67 */
    {0x1483, 0, 2, 0x00090044, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-68 */
    {0x1484, 0, 2, 0x00090045, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-69 */
    {0x1485, 0, 2, 0x00090046, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-70 */
    {0x1486, 0, 2, 0x00090047, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-71 */
    {0x1487, 0, 2, 0x00090048, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-72 */
    {0x1488, 0, 2, 0x00090049, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-73 */
    {0x1489, 0, 2, 0x0009004a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-74 */
    {0x148a, 0, 2, 0x0009004b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-75 */
    {0x148b, 0, 2, 0x0009004c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-76 */
    {0x148c, 0, 2, 0x0009004d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-77 */
    {0x148d, 0, 2, 0x0009004e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-78 */
    {0x148e, 0, 2, 0x0009004f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-79 */
    {0x148f, 0, 2, 0x00090050, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-80 */
    {0x1490, 0, 2, 0x00090051, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-81 */
    {0x1491, 0, 2, 0x00090052, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-82 */
    {0x1492, 0, 2, 0x00090053, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-83 */
    {0x1493, 0, 2, 0x00090054, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-84 */
    {0x1494, 0, 2, 0x00090055, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-85 */
    {0x1495, 0, 2, 0x00090056, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-86 */
    {0x1496, 0, 2, 0x00090057, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-87 */
    {0x1497, 0, 2, 0x00090058, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-88 */
    {0x1498, 0, 2, 0x00090059, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-89 */
    {0x1499, 0, 2, 0x0009005a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-90 */
    {0x149a, 0, 2, 0x0009005b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-91 */
    {0x149b, 0, 2, 0x0009005c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-92 */
    {0x149c, 0, 2, 0x0009005d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-93 */
    {0x149d, 0, 2, 0x0009005e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-94 */
    {0x149e, 0, 2, 0x0009005f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-95 */
    {0x149f, 0, 2, 0x00090060, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-96 */
    {0x14a0, 0, 2, 0x00090061, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-97 */
    {0x14a1, 0, 2, 0x00090062, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-98 */
    {0x14a2, 0, 2, 0x00090063, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-99 */
    {0x14a3, 0, 2, 0x00090064, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-100 */
    {0x14a4, 0, 2, 0x00090065, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-101 */
    {0x14a5, 0, 2, 0x00090066, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-102 */
    {0x14a6, 0, 2, 0x00090067, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-103 */
    {0x14a7, 0, 2, 0x00090068, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-104 */
    {0x14a8, 0, 2, 0x00090069, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-105 */
    {0x14a9, 0, 2, 0x0009006a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-106 */
    {0x14aa, 0, 2, 0x0009006b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-107 */
    {0x14ab, 0, 2, 0x0009006c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-108 */
    {0x14ac, 0, 2, 0x0009006d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-109 */
    {0x14ad, 0, 2, 0x0009006e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-110 */
    {0x14ae, 0, 2, 0x0009006f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-111 */
    {0x14af, 0, 2, 0x00090070, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-112 */
    {0x14b0, 0, 2, 0x00090071, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-113 */
    {0x14b1, 0, 2, 0x00090072, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-114 */
    {0x14b2, 0, 2, 0x00090073, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-115 */
    {0x14b3, 0, 2, 0x00090074, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-116 */
    {0x14b4, 0, 2, 0x00090075, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-117 */
    {0x14b5, 0, 2, 0x00090076, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-118 */
    {0x14b6, 0, 2, 0x00090077, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-119 */
    {0x14b7, 0, 2, 0x00090078, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-120 */
    {0x14b8, 0, 2, 0x00090079, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-121 */
    {0x14b9, 0, 2, 0x0009007a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-122 */
    {0x14ba, 0, 2, 0x0009007b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-123 */
    {0x14bb, 0, 2, 0x0009007c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-124 */
    {0x14bc, 0, 2, 0x0009007d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-125 */
    {0x14bd, 0, 2, 0x0009007e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-126 */
    {0x14be, 0, 2, 0x0009007f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-127 */
    {0x14bf, 0, 2, 0x00090080, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-128 */
};

static const uint32_t any_wheel_x_codes[] = {0x00030008, };
static const nplug_rule any_wheel_x_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 5, 2, 0, 1, any_wheel_x_codes + 0, any_wheel_x_codes + 0, 0x00000000, 0, 0},
};
static const nplug_wire any_wheel_x_wires[] = {
    {0x1401, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* wheel:steering */
    {0x1402, 0, 1, 0x00030009, 2, 0, 0, 0, 0, 0, 0}, /* wheel:accelerator */
    {0x1402, 0, 1, 0x00030002, 2, 64, 0, 0, 0, 0, 0}, /* wheel:accelerator */
    {0x1403, 0, 1, 0x0003000a, 2, 0, 0, 0, 0, 0, 0}, /* wheel:brake */
    {0x1403, 0, 1, 0x00030005, 2, 64, 0, 0, 0, 0, 0}, /* wheel:brake */
    {0x1404, 0, 1, 0x00030001, 2, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1404, 0, 1, 0x00030006, 2, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1406, 0, 1, 0x00010150, 0, 0, 0, 0, 0, 0, 0}, /* wheel:shift-down */
    {0x1407, 0, 1, 0x00010151, 0, 0, 0, 0, 0, 0, 0}, /* wheel:shift-up */
    {0x1420, 0, 1, 0x00030010, 0, 0, 0, 0, 0, 0, 0}, /* wheel:hat-1 */
    {0x1420, 1, 1, 0x00030011, 0, 1, 0, 0, 0, 0, 0}, /* wheel:hat-1 */
    {0x1421, 0, 1, 0x00030012, 0, 0, 0, 0, 0, 0, 0}, /* wheel:hat-2 */
    {0x1421, 1, 1, 0x00030013, 0, 1, 0, 0, 0, 0, 0}, /* wheel:hat-2 */
    {0x1440, 0, 1, 0x00010120, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-1 */
    {0x1441, 0, 1, 0x00010121, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-2 */
    {0x1442, 0, 1, 0x00010122, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-3 */
    {0x1443, 0, 1, 0x00010123, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-4 */
    {0x1444, 0, 1, 0x00010124, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-5 */
    {0x1445, 0, 1, 0x00010125, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-6 */
    {0x1446, 0, 1, 0x00010126, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-7 */
    {0x1447, 0, 1, 0x00010127, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-8 */
    {0x1448, 0, 1, 0x00010128, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-9 */
    {0x1449, 0, 1, 0x00010129, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-10 */
    {0x144a, 0, 1, 0x0001012a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-11 */
    {0x144b, 0, 1, 0x0001012b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-12 */
    {0x144c, 0, 1, 0x0001012c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-13 */
    {0x144d, 0, 1, 0x0001012d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-14 */
    {0x144e, 0, 1, 0x0001012e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-15 */
    {0x144f, 0, 1, 0x0001012f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-16 */
    {0x1450, 0, 1, 0x000102c0, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-17 */
    {0x1451, 0, 1, 0x000102c1, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-18 */
    {0x1452, 0, 1, 0x000102c2, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-19 */
    {0x1453, 0, 1, 0x000102c3, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-20 */
    {0x1454, 0, 1, 0x000102c4, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-21 */
    {0x1455, 0, 1, 0x000102c5, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-22 */
    {0x1456, 0, 1, 0x000102c6, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-23 */
    {0x1457, 0, 1, 0x000102c7, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-24 */
    {0x1458, 0, 1, 0x000102c8, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-25 */
    {0x1459, 0, 1, 0x000102c9, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-26 */
    {0x145a, 0, 1, 0x000102ca, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-27 */
    {0x145b, 0, 1, 0x000102cb, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-28 */
    {0x145c, 0, 1, 0x000102cc, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-29 */
    {0x145d, 0, 1, 0x000102cd, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-30 */
    {0x145e, 0, 1, 0x000102ce, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-31 */
    {0x145f, 0, 1, 0x000102cf, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-32 */
    {0x1460, 0, 1, 0x000102d0, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-33 */
    {0x1461, 0, 1, 0x000102d1, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-34 */
    {0x1462, 0, 1, 0x000102d2, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-35 */
    {0x1463, 0, 1, 0x000102d3, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-36 */
    {0x1464, 0, 1, 0x000102d4, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-37 */
    {0x1465, 0, 1, 0x000102d5, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-38 */
    {0x1466, 0, 1, 0x000102d6, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-39 */
    {0x1467, 0, 1, 0x000102d7, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-40 */
    {0x1468, 0, 1, 0x000102d8, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-41 */
    {0x1469, 0, 1, 0x000102d9, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-42 */
    {0x146a, 0, 1, 0x000102da, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-43 */
    {0x146b, 0, 1, 0x000102db, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-44 */
    {0x146c, 0, 1, 0x000102dc, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-45 */
    {0x146d, 0, 1, 0x000102dd, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-46 */
    {0x146e, 0, 1, 0x000102de, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-47 */
    {0x146f, 0, 1, 0x000102df, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-48 */
    {0x1470, 0, 1, 0x000102e0, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-49 */
    {0x1471, 0, 1, 0x000102e1, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-50 */
    {0x1472, 0, 1, 0x000102e2, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-51 */
    {0x1473, 0, 1, 0x000102e3, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-52 */
    {0x1474, 0, 1, 0x000102e4, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-53 */
    {0x1475, 0, 1, 0x000102e5, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-54 */
    {0x1476, 0, 1, 0x000102e6, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-55 */
    {0x1477, 0, 1, 0x000102e7, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-56 */
    {0x1478, 0, 1, 0x00010100, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-57 */
    {0x1479, 0, 1, 0x00010101, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-58 */
    {0x147a, 0, 1, 0x00010102, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-59 */
    {0x147b, 0, 1, 0x00010103, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-60 */
    {0x147c, 0, 1, 0x00010104, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-61 */
    {0x147d, 0, 1, 0x00010105, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-62 */
    {0x147e, 0, 1, 0x00010106, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-63 */
    {0x147f, 0, 1, 0x00010107, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-64 */
    {0x1480, 0, 1, 0x00010108, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-65 */
    {0x1481, 0, 1, 0x00010109, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-66 */
    {0x1482, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-67 */
    {0x1483, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-68 */
    {0x1484, 0, 1, 0x00010132, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-69 */
    {0x1485, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-70 */
    {0x1486, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-71 */
    {0x1487, 0, 1, 0x00010135, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-72 */
    {0x1488, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-73 */
    {0x1489, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-74 */
    {0x148a, 0, 1, 0x00010138, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-75 */
    {0x148b, 0, 1, 0x00010139, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-76 */
    {0x148c, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-77 */
    {0x148d, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-78 */
    {0x148e, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-79 */
    {0x148f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-80 */
    {0x1490, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-81 */
    {0x1491, 0, 1, 0x0001013f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-82 */
};

static const uint32_t any_wheel_y_codes[] = {0x00030008, 0x00030001, 0x00030000, };
static const nplug_rule any_wheel_y_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 5, 2, 2, 1, any_wheel_y_codes + 0, any_wheel_y_codes + 2, 0x00000000, 0, 0},
};
static const nplug_wire any_wheel_y_wires[] = {
    {0x1401, 0, 1, 0x00030008, 0, 0, 0, 0, 0, 0, 0}, /* wheel:steering */
    {0x1402, 0, 1, 0x00030009, 1, 0, 0, 0, 0, 0, 0}, /* wheel:accelerator */
    {0x1403, 0, 1, 0x0003000a, 1, 0, 0, 0, 0, 0, 0}, /* wheel:brake */
    {0x1404, 0, 1, 0x00030001, 1, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1404, 0, 1, 0x00030006, 1, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1404, 0, 1, 0x00030007, 1, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1404, 0, 1, 0x00030002, 1, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1404, 0, 1, 0x00030005, 1, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1404, 0, 1, 0x00030028, 1, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1406, 0, 1, 0x00010150, 0, 0, 0, 0, 0, 0, 0}, /* wheel:shift-down */
    {0x1407, 0, 1, 0x00010151, 0, 0, 0, 0, 0, 0, 0}, /* wheel:shift-up */
    {0x1420, 0, 1, 0x00030010, 0, 0, 0, 0, 0, 0, 0}, /* wheel:hat-1 */
    {0x1420, 1, 1, 0x00030011, 0, 1, 0, 0, 0, 0, 0}, /* wheel:hat-1 */
    {0x1421, 0, 1, 0x00030012, 0, 0, 0, 0, 0, 0, 0}, /* wheel:hat-2 */
    {0x1421, 1, 1, 0x00030013, 0, 1, 0, 0, 0, 0, 0}, /* wheel:hat-2 */
    {0x1440, 0, 1, 0x00010120, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-1 */
    {0x1441, 0, 1, 0x00010121, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-2 */
    {0x1442, 0, 1, 0x00010122, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-3 */
    {0x1443, 0, 1, 0x00010123, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-4 */
    {0x1444, 0, 1, 0x00010124, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-5 */
    {0x1445, 0, 1, 0x00010125, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-6 */
    {0x1446, 0, 1, 0x00010126, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-7 */
    {0x1447, 0, 1, 0x00010127, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-8 */
    {0x1448, 0, 1, 0x00010128, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-9 */
    {0x1449, 0, 1, 0x00010129, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-10 */
    {0x144a, 0, 1, 0x0001012a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-11 */
    {0x144b, 0, 1, 0x0001012b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-12 */
    {0x144c, 0, 1, 0x0001012c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-13 */
    {0x144d, 0, 1, 0x0001012d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-14 */
    {0x144e, 0, 1, 0x0001012e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-15 */
    {0x144f, 0, 1, 0x0001012f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-16 */
    {0x1450, 0, 1, 0x000102c0, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-17 */
    {0x1451, 0, 1, 0x000102c1, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-18 */
    {0x1452, 0, 1, 0x000102c2, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-19 */
    {0x1453, 0, 1, 0x000102c3, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-20 */
    {0x1454, 0, 1, 0x000102c4, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-21 */
    {0x1455, 0, 1, 0x000102c5, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-22 */
    {0x1456, 0, 1, 0x000102c6, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-23 */
    {0x1457, 0, 1, 0x000102c7, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-24 */
    {0x1458, 0, 1, 0x000102c8, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-25 */
    {0x1459, 0, 1, 0x000102c9, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-26 */
    {0x145a, 0, 1, 0x000102ca, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-27 */
    {0x145b, 0, 1, 0x000102cb, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-28 */
    {0x145c, 0, 1, 0x000102cc, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-29 */
    {0x145d, 0, 1, 0x000102cd, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-30 */
    {0x145e, 0, 1, 0x000102ce, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-31 */
    {0x145f, 0, 1, 0x000102cf, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-32 */
    {0x1460, 0, 1, 0x000102d0, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-33 */
    {0x1461, 0, 1, 0x000102d1, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-34 */
    {0x1462, 0, 1, 0x000102d2, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-35 */
    {0x1463, 0, 1, 0x000102d3, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-36 */
    {0x1464, 0, 1, 0x000102d4, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-37 */
    {0x1465, 0, 1, 0x000102d5, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-38 */
    {0x1466, 0, 1, 0x000102d6, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-39 */
    {0x1467, 0, 1, 0x000102d7, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-40 */
    {0x1468, 0, 1, 0x000102d8, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-41 */
    {0x1469, 0, 1, 0x000102d9, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-42 */
    {0x146a, 0, 1, 0x000102da, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-43 */
    {0x146b, 0, 1, 0x000102db, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-44 */
    {0x146c, 0, 1, 0x000102dc, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-45 */
    {0x146d, 0, 1, 0x000102dd, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-46 */
    {0x146e, 0, 1, 0x000102de, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-47 */
    {0x146f, 0, 1, 0x000102df, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-48 */
    {0x1470, 0, 1, 0x000102e0, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-49 */
    {0x1471, 0, 1, 0x000102e1, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-50 */
    {0x1472, 0, 1, 0x000102e2, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-51 */
    {0x1473, 0, 1, 0x000102e3, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-52 */
    {0x1474, 0, 1, 0x000102e4, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-53 */
    {0x1475, 0, 1, 0x000102e5, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-54 */
    {0x1476, 0, 1, 0x000102e6, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-55 */
    {0x1477, 0, 1, 0x000102e7, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-56 */
    {0x1478, 0, 1, 0x00010100, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-57 */
    {0x1479, 0, 1, 0x00010101, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-58 */
    {0x147a, 0, 1, 0x00010102, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-59 */
    {0x147b, 0, 1, 0x00010103, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-60 */
    {0x147c, 0, 1, 0x00010104, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-61 */
    {0x147d, 0, 1, 0x00010105, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-62 */
    {0x147e, 0, 1, 0x00010106, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-63 */
    {0x147f, 0, 1, 0x00010107, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-64 */
    {0x1480, 0, 1, 0x00010108, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-65 */
    {0x1481, 0, 1, 0x00010109, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-66 */
    {0x1482, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-67 */
    {0x1483, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-68 */
    {0x1484, 0, 1, 0x00010132, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-69 */
    {0x1485, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-70 */
    {0x1486, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-71 */
    {0x1487, 0, 1, 0x00010135, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-72 */
    {0x1488, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-73 */
    {0x1489, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-74 */
    {0x148a, 0, 1, 0x00010138, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-75 */
    {0x148b, 0, 1, 0x00010139, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-76 */
    {0x148c, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-77 */
    {0x148d, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-78 */
    {0x148e, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-79 */
    {0x148f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-80 */
    {0x1490, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-81 */
    {0x1491, 0, 1, 0x0001013f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-82 */
};

static const uint32_t any_wheel_codes[] = {0x00030008, };
static const nplug_rule any_wheel_matches[] = {
    {0x0000, 0x0000, 0x0000, 0x0000, 5, 2, 1, 0, any_wheel_codes + 0, any_wheel_codes + 1, 0x00000000, 0, 0},
};
static const nplug_wire any_wheel_wires[] = {
    {0x1401, 0, 1, 0x00030008, 0, 0, 0, 0, 0, 0, 0}, /* wheel:steering */
    {0x1402, 0, 1, 0x00030009, 1, 0, 0, 0, 0, 0, 0}, /* wheel:accelerator */
    {0x1403, 0, 1, 0x0003000a, 1, 0, 0, 0, 0, 0, 0}, /* wheel:brake */
    {0x1404, 0, 1, 0x00030006, 1, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1404, 0, 1, 0x00030007, 1, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1404, 0, 1, 0x00030002, 1, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1404, 0, 1, 0x00030005, 1, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1404, 0, 1, 0x00030028, 1, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1406, 0, 1, 0x00010150, 0, 0, 0, 0, 0, 0, 0}, /* wheel:shift-down */
    {0x1407, 0, 1, 0x00010151, 0, 0, 0, 0, 0, 0, 0}, /* wheel:shift-up */
    {0x1420, 0, 1, 0x00030010, 0, 0, 0, 0, 0, 0, 0}, /* wheel:hat-1 */
    {0x1420, 1, 1, 0x00030011, 0, 1, 0, 0, 0, 0, 0}, /* wheel:hat-1 */
    {0x1421, 0, 1, 0x00030012, 0, 0, 0, 0, 0, 0, 0}, /* wheel:hat-2 */
    {0x1421, 1, 1, 0x00030013, 0, 1, 0, 0, 0, 0, 0}, /* wheel:hat-2 */
    {0x1440, 0, 1, 0x00010120, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-1 */
    {0x1441, 0, 1, 0x00010121, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-2 */
    {0x1442, 0, 1, 0x00010122, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-3 */
    {0x1443, 0, 1, 0x00010123, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-4 */
    {0x1444, 0, 1, 0x00010124, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-5 */
    {0x1445, 0, 1, 0x00010125, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-6 */
    {0x1446, 0, 1, 0x00010126, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-7 */
    {0x1447, 0, 1, 0x00010127, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-8 */
    {0x1448, 0, 1, 0x00010128, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-9 */
    {0x1449, 0, 1, 0x00010129, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-10 */
    {0x144a, 0, 1, 0x0001012a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-11 */
    {0x144b, 0, 1, 0x0001012b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-12 */
    {0x144c, 0, 1, 0x0001012c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-13 */
    {0x144d, 0, 1, 0x0001012d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-14 */
    {0x144e, 0, 1, 0x0001012e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-15 */
    {0x144f, 0, 1, 0x0001012f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-16 */
    {0x1450, 0, 1, 0x000102c0, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-17 */
    {0x1451, 0, 1, 0x000102c1, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-18 */
    {0x1452, 0, 1, 0x000102c2, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-19 */
    {0x1453, 0, 1, 0x000102c3, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-20 */
    {0x1454, 0, 1, 0x000102c4, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-21 */
    {0x1455, 0, 1, 0x000102c5, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-22 */
    {0x1456, 0, 1, 0x000102c6, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-23 */
    {0x1457, 0, 1, 0x000102c7, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-24 */
    {0x1458, 0, 1, 0x000102c8, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-25 */
    {0x1459, 0, 1, 0x000102c9, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-26 */
    {0x145a, 0, 1, 0x000102ca, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-27 */
    {0x145b, 0, 1, 0x000102cb, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-28 */
    {0x145c, 0, 1, 0x000102cc, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-29 */
    {0x145d, 0, 1, 0x000102cd, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-30 */
    {0x145e, 0, 1, 0x000102ce, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-31 */
    {0x145f, 0, 1, 0x000102cf, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-32 */
    {0x1460, 0, 1, 0x000102d0, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-33 */
    {0x1461, 0, 1, 0x000102d1, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-34 */
    {0x1462, 0, 1, 0x000102d2, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-35 */
    {0x1463, 0, 1, 0x000102d3, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-36 */
    {0x1464, 0, 1, 0x000102d4, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-37 */
    {0x1465, 0, 1, 0x000102d5, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-38 */
    {0x1466, 0, 1, 0x000102d6, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-39 */
    {0x1467, 0, 1, 0x000102d7, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-40 */
    {0x1468, 0, 1, 0x000102d8, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-41 */
    {0x1469, 0, 1, 0x000102d9, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-42 */
    {0x146a, 0, 1, 0x000102da, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-43 */
    {0x146b, 0, 1, 0x000102db, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-44 */
    {0x146c, 0, 1, 0x000102dc, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-45 */
    {0x146d, 0, 1, 0x000102dd, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-46 */
    {0x146e, 0, 1, 0x000102de, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-47 */
    {0x146f, 0, 1, 0x000102df, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-48 */
    {0x1470, 0, 1, 0x000102e0, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-49 */
    {0x1471, 0, 1, 0x000102e1, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-50 */
    {0x1472, 0, 1, 0x000102e2, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-51 */
    {0x1473, 0, 1, 0x000102e3, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-52 */
    {0x1474, 0, 1, 0x000102e4, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-53 */
    {0x1475, 0, 1, 0x000102e5, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-54 */
    {0x1476, 0, 1, 0x000102e6, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-55 */
    {0x1477, 0, 1, 0x000102e7, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-56 */
    {0x1478, 0, 1, 0x00010100, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-57 */
    {0x1479, 0, 1, 0x00010101, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-58 */
    {0x147a, 0, 1, 0x00010102, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-59 */
    {0x147b, 0, 1, 0x00010103, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-60 */
    {0x147c, 0, 1, 0x00010104, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-61 */
    {0x147d, 0, 1, 0x00010105, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-62 */
    {0x147e, 0, 1, 0x00010106, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-63 */
    {0x147f, 0, 1, 0x00010107, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-64 */
    {0x1480, 0, 1, 0x00010108, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-65 */
    {0x1481, 0, 1, 0x00010109, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-66 */
    {0x1482, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-67 */
    {0x1483, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-68 */
    {0x1484, 0, 1, 0x00010132, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-69 */
    {0x1485, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-70 */
    {0x1486, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-71 */
    {0x1487, 0, 1, 0x00010135, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-72 */
    {0x1488, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-73 */
    {0x1489, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-74 */
    {0x148a, 0, 1, 0x00010138, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-75 */
    {0x148b, 0, 1, 0x00010139, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-76 */
    {0x148c, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-77 */
    {0x148d, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-78 */
    {0x148e, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-79 */
    {0x148f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-80 */
    {0x1490, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-81 */
    {0x1491, 0, 1, 0x0001013f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-82 */
};

static const nplug_rule avocet_matches[] = {
    {0x0003, 0xb12d, 0x0501, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire avocet_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c05, 0, 1, 0x00010220, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00010221, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00010222, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00010223, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c09, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x00010138, 0, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00010139, 0, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030003, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030004, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c11, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c14, 0, 1, 0x000102c0, 0, 0, 0, 0, 0, 0, 0}, /* pad:rear-left */
    {0x0c15, 0, 1, 0x000102c1, 0, 0, 0, 0, 0, 0, 0}, /* pad:rear-right */
};
static const nplug_print avocet_prints[] = {
    {0x0c01, "K"},
    {0x0c02, "L"},
    {0x0c03, "M"},
    {0x0c04, "N"},
};

static const nplug_rule curlew_matches[] = {
    {0x0003, 0xb12d, 0x0301, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire curlew_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c09, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x0003000a, 2, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00030009, 2, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 2, 0, 0, 2130, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 3, 0, 0, 1990, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030002, 0, 2, 0, 0, 2048, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030005, 0, 3, 0, 0, 2075, 0, 0}, /* pad:stick-right */
    {0x0c0f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c11, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* pad:home */
};
static const nplug_print curlew_prints[] = {
    {0x0c01, "R"},
    {0x0c02, "S"},
    {0x0c03, "T"},
    {0x0c04, "U"},
};

static const nplug_rule dunlin_matches[] = {
    {0x0003, 0xb12d, 0x0401, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire dunlin_wires[] = {
    {0x0c03, 0, 2, 0x00090001, 0, 0, 0, 5, 0, 0, 0}, /* pad:west */
    {0x0c01, 0, 2, 0x00090002, 0, 0, 0, 5, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 2, 0x00090003, 0, 0, 0, 5, 0, 0, 0}, /* pad:east */
    {0x0c04, 0, 2, 0x00090004, 0, 0, 0, 5, 0, 0, 0}, /* pad:north */
    {0x0c09, 0, 2, 0x00090005, 0, 0, 0, 5, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 2, 0x00090006, 0, 0, 0, 5, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c11, 0, 2, 0x00090007, 0, 0, 0, 5, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 2, 0x00090008, 0, 0, 0, 5, 0, 0, 0}, /* pad:start */
    {0x0c0f, 0, 2, 0x00090009, 0, 0, 0, 5, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 2, 0x0009000a, 0, 0, 0, 5, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c0d, 0, 2, 0x00010030, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 2, 0x00010031, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 2, 0x00010033, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 2, 0x00010034, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0b, 0, 2, 0x00010032, 6, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 2, 0x00010032, 5, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c07, 0, 2, 0x00010036, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 2, 0x00010036, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c05, 0, 2, 0x00010037, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 2, 0x00010037, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
};
static const nplug_print dunlin_prints[] = {
    {0x0c01, "2"},
    {0x0c02, "3"},
    {0x0c03, "1"},
    {0x0c04, "4"},
};

static const nplug_rule godwit_matches[] = {
    {0x0003, 0xb12d, 0x0601, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire godwit_wires[] = {
    {0x1010, 0, 2, 0x000200bb, 1, 8, 0, 0, 0, 0, 0}, /* stick:throttle */
    {0x1011, 0, 2, 0x00010036, 2, 8, 0, 0, 0, 0, 0}, /* stick:throttle-2 */
    {0x1004, 0, 2, 0x000200ba, 0, 0, 0, 0, 0, 0, 0}, /* stick:rudder */
    {0x1005, 0, 2, 0x00010033, 2, 16, 0, 0, 0, 0, 0}, /* stick:brake-left */
    {0x1006, 0, 2, 0x00010034, 2, 16, 0, 0, 0, 0, 0}, /* stick:brake-right */
    {0x1020, 0, 2, 0x00010039, 11, 0, 0, 0, 0, 0, 0}, /* stick:hat-1 */
    {0x1020, 1, 2, 0x00010039, 12, 0, 0, 0, 0, 0, 0}, /* stick:hat-1 */
    {0x1040, 0, 2, 0x00090001, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-1 */
    {0x1041, 0, 2, 0x00090002, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-2 */
    {0x1042, 0, 2, 0x00090003, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-3 */
    {0x1043, 0, 2, 0x00090004, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-4 */
    {0x1044, 0, 2, 0x00090005, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-5 */
    {0x1045, 0, 2, 0x00090006, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-6 */
    {0x1046, 0, 2, 0x00090007, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-7 */
    {0x1047, 0, 2, 0x00090008, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-8 */
    {0x1048, 0, 2, 0x00090009, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-9 */
    {0x1049, 0, 2, 0x0009000a, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-10 */
    {0x104a, 0, 2, 0x0009000b, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-11 */
    {0x104b, 0, 2, 0x0009000c, 0, 0, 0, 0, 0, 0, 0}, /* stick:button-12 */
};

static const nplug_rule heron_matches[] = {
    {0x0003, 0xb12d, 0x0101, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire heron_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c09, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x00030002, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00030005, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030003, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030004, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c11, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* pad:home */
};
static const nplug_print heron_prints[] = {
    {0x0c01, "K"},
    {0x0c02, "L"},
    {0x0c03, "M"},
    {0x0c04, "N"},
    {0x0c09, "port"},
    {0x0c0a, "starboard"},
    {0x0c0b, "haul"},
    {0x0c0c, "veer"},
    {0x0c11, "log"},
    {0x0c12, "menu"},
};

static const nplug_rule motion_057e_matches[] = {
    {0x0000, 0x057e, 0x0000, 0x0000, 10, 2, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire motion_057e_wires[] = {
    {0x0c1c, 0, 1, 0x00030000, 15, 0, 0, 0, 0, 0, 0}, /* pad:accel */
    {0x0c1c, 1, 1, 0x00030001, 15, 0, 0, 0, 0, 0, 0}, /* pad:accel */
    {0x0c1c, 2, 1, 0x00030002, 15, 0, 0, 0, 0, 0, 0}, /* pad:accel */
    {0x0c1b, 0, 1, 0x00030003, 15, 0, 0, 0, 0, 0, 0}, /* pad:gyro */
    {0x0c1b, 1, 1, 0x00030004, 15, 0, 0, 0, 0, 0, 0}, /* pad:gyro */
    {0x0c1b, 2, 1, 0x00030005, 15, 0, 0, 0, 0, 0, 0}, /* pad:gyro */
    {0x0c1d, 0, 1, 0x00030005, 0, 1, 0, 0, 0, 0, 0}, /* pad:turn */
    {0x0c1d, 1, 1, 0x00030004, 0, 1, 0, 0, 0, 0, 0}, /* pad:turn */
    {0x0c1e, 0, 1, 0x00030003, 0, 0, 0, 0, 0, 0, 0}, /* pad:roll */
    {0x0c1f, 0, 1, 0x00030001, 0, 0, 0, 0, 0, 0, 0}, /* pad:tilt */
    {0x0c1f, 1, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* pad:tilt */
};

static const nplug_rule openxr_headset_matches[] = {
    {0x0019, 0x0000, 0x0012, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire openxr_headset_wires[] = {
    {0x2401, 0, 4, 0x00000026, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 1, 4, 0x00000027, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 2, 4, 0x00000028, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 3, 4, 0x00000029, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 4, 4, 0x0000002a, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 5, 4, 0x0000002b, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 6, 4, 0x0000002c, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 7, 4, 0x0000003b, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 8, 4, 0x0000003c, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 9, 4, 0x0000003d, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 10, 4, 0x0000003e, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 11, 4, 0x0000003f, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 12, 4, 0x00000040, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 13, 4, 0x00000041, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
};

static const nplug_rule openxr_left_matches[] = {
    {0x0019, 0x0000, 0x0010, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire openxr_left_wires[] = {
    {0x1c01, 0, 4, 0x00000006, 1, 0, 0, 0, 0, 0, 0}, /* hand-left:trigger */
    {0x1c01, 0, 4, 0x00000001, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:trigger */
    {0x1c02, 0, 4, 0x00000007, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:trigger-touch */
    {0x1c03, 0, 4, 0x00000008, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:trigger-near */
    {0x1c04, 0, 4, 0x00000004, 1, 0, 0, 0, 0, 0, 0}, /* hand-left:squeeze */
    {0x1c05, 0, 4, 0x00000005, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:squeeze-touch */
    {0x1c06, 0, 4, 0x00000009, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:thumbstick */
    {0x1c06, 1, 4, 0x0000000a, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:thumbstick */
    {0x1c07, 0, 4, 0x0000000b, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:thumbstick-click */
    {0x1c08, 0, 4, 0x0000000c, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:thumbstick-touch */
    {0x1c09, 0, 4, 0x0000000d, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:thumbrest-touch */
    {0x1c0a, 0, 4, 0x0000000e, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:thumbrest-near */
    {0x1c0b, 0, 4, 0x0000000f, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:lower */
    {0x1c0c, 0, 4, 0x00000010, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:lower-touch */
    {0x1c0d, 0, 4, 0x00000011, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:upper */
    {0x1c0e, 0, 4, 0x00000012, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:upper-touch */
    {0x1c0f, 0, 4, 0x00000003, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:menu */
    {0x1c10, 0, 4, 0x00000018, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 1, 4, 0x00000019, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 2, 4, 0x0000001a, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 3, 4, 0x0000001b, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 4, 4, 0x0000001c, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 5, 4, 0x0000001d, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 6, 4, 0x0000001e, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 7, 4, 0x0000002d, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 8, 4, 0x0000002e, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 9, 4, 0x0000002f, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 10, 4, 0x00000030, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 11, 4, 0x00000031, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 12, 4, 0x00000032, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 13, 4, 0x00000033, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c11, 0, 4, 0x0000001f, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 1, 4, 0x00000020, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 2, 4, 0x00000021, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 3, 4, 0x00000022, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 4, 4, 0x00000023, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 5, 4, 0x00000024, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 6, 4, 0x00000025, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 7, 4, 0x00000034, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 8, 4, 0x00000035, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 9, 4, 0x00000036, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 10, 4, 0x00000037, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 11, 4, 0x00000038, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 12, 4, 0x00000039, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 13, 4, 0x0000003a, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
};

static const nplug_rule openxr_right_matches[] = {
    {0x0019, 0x0000, 0x0011, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire openxr_right_wires[] = {
    {0x2001, 0, 4, 0x00000006, 1, 0, 0, 0, 0, 0, 0}, /* hand-right:trigger */
    {0x2001, 0, 4, 0x00000001, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:trigger */
    {0x2002, 0, 4, 0x00000007, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:trigger-touch */
    {0x2003, 0, 4, 0x00000008, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:trigger-near */
    {0x2004, 0, 4, 0x00000004, 1, 0, 0, 0, 0, 0, 0}, /* hand-right:squeeze */
    {0x2005, 0, 4, 0x00000005, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:squeeze-touch */
    {0x2006, 0, 4, 0x00000009, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:thumbstick */
    {0x2006, 1, 4, 0x0000000a, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:thumbstick */
    {0x2007, 0, 4, 0x0000000b, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:thumbstick-click */
    {0x2008, 0, 4, 0x0000000c, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:thumbstick-touch */
    {0x2009, 0, 4, 0x0000000d, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:thumbrest-touch */
    {0x200a, 0, 4, 0x0000000e, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:thumbrest-near */
    {0x200b, 0, 4, 0x0000000f, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:lower */
    {0x200c, 0, 4, 0x00000010, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:lower-touch */
    {0x200d, 0, 4, 0x00000011, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:upper */
    {0x200e, 0, 4, 0x00000012, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:upper-touch */
    {0x200f, 0, 4, 0x00000003, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:menu */
    {0x2010, 0, 4, 0x00000018, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 1, 4, 0x00000019, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 2, 4, 0x0000001a, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 3, 4, 0x0000001b, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 4, 4, 0x0000001c, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 5, 4, 0x0000001d, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 6, 4, 0x0000001e, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 7, 4, 0x0000002d, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 8, 4, 0x0000002e, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 9, 4, 0x0000002f, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 10, 4, 0x00000030, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 11, 4, 0x00000031, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 12, 4, 0x00000032, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 13, 4, 0x00000033, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2011, 0, 4, 0x0000001f, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 1, 4, 0x00000020, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 2, 4, 0x00000021, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 3, 4, 0x00000022, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 4, 4, 0x00000023, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 5, 4, 0x00000024, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 6, 4, 0x00000025, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 7, 4, 0x00000034, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 8, 4, 0x00000035, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 9, 4, 0x00000036, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 10, 4, 0x00000037, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 11, 4, 0x00000038, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 12, 4, 0x00000039, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 13, 4, 0x0000003a, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
};

static const nplug_rule osprey_headset_matches[] = {
    {0x0000, 0xb12d, 0x0a03, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire osprey_headset_wires[] = {
    {0x2401, 0, 4, 0x00000026, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 1, 4, 0x00000027, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 2, 4, 0x00000028, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 3, 4, 0x00000029, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 4, 4, 0x0000002a, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 5, 4, 0x0000002b, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 6, 4, 0x0000002c, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2401, 7, 4, 0x0000003b, 14, 0, 0, 0, 0, 0, 0}, /* headset:pose-view */
    {0x2402, 0, 4, 0x00000017, 0, 0, 0, 0, 0, 0, 0}, /* headset:worn */
};

static const nplug_rule osprey_left_matches[] = {
    {0x0000, 0xb12d, 0x0a01, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire osprey_left_wires[] = {
    {0x1c01, 0, 4, 0x00000006, 1, 0, 0, 0, 0, 0, 0}, /* hand-left:trigger */
    {0x1c02, 0, 4, 0x00000007, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:trigger-touch */
    {0x1c03, 0, 4, 0x00000008, 0, 0, 0, 20, 0, 0, 0}, /* hand-left:trigger-near */
    {0x1c04, 0, 4, 0x00000004, 1, 0, 0, 0, 0, 0, 0}, /* hand-left:squeeze */
    {0x1c06, 0, 4, 0x00000009, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:thumbstick */
    {0x1c06, 1, 4, 0x0000000a, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:thumbstick */
    {0x1c07, 0, 4, 0x0000000b, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:thumbstick-click */
    {0x1c08, 0, 4, 0x0000000c, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:thumbstick-touch */
    {0x1c09, 0, 4, 0x0000000d, 0, 0, 0, 20, 0, 0, 0}, /* hand-left:thumbrest-touch */
    {0x1c0b, 0, 4, 0x00000013, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:lower */
    {0x1c0c, 0, 4, 0x00000014, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:lower-touch */
    {0x1c0d, 0, 4, 0x00000015, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:upper */
    {0x1c0e, 0, 4, 0x00000016, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:upper-touch */
    {0x1c0f, 0, 4, 0x00000003, 0, 0, 0, 0, 0, 0, 0}, /* hand-left:menu */
    {0x1c10, 0, 4, 0x00000018, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 1, 4, 0x00000019, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 2, 4, 0x0000001a, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 3, 4, 0x0000001b, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 4, 4, 0x0000001c, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 5, 4, 0x0000001d, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 6, 4, 0x0000001e, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 7, 4, 0x0000002d, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 8, 4, 0x0000002e, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 9, 4, 0x0000002f, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 10, 4, 0x00000030, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 11, 4, 0x00000031, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 12, 4, 0x00000032, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c10, 13, 4, 0x00000033, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-grip */
    {0x1c11, 0, 4, 0x0000001f, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 1, 4, 0x00000020, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 2, 4, 0x00000021, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 3, 4, 0x00000022, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 4, 4, 0x00000023, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 5, 4, 0x00000024, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 6, 4, 0x00000025, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
    {0x1c11, 7, 4, 0x00000034, 14, 0, 0, 0, 0, 0, 0}, /* hand-left:pose-aim */
};

static const nplug_rule osprey_right_matches[] = {
    {0x0000, 0xb12d, 0x0a02, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire osprey_right_wires[] = {
    {0x2001, 0, 4, 0x00000006, 1, 0, 0, 0, 0, 0, 0}, /* hand-right:trigger */
    {0x2002, 0, 4, 0x00000007, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:trigger-touch */
    {0x2003, 0, 4, 0x00000008, 0, 0, 0, 20, 0, 0, 0}, /* hand-right:trigger-near */
    {0x2004, 0, 4, 0x00000004, 1, 0, 0, 0, 0, 0, 0}, /* hand-right:squeeze */
    {0x2006, 0, 4, 0x00000009, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:thumbstick */
    {0x2006, 1, 4, 0x0000000a, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:thumbstick */
    {0x2007, 0, 4, 0x0000000b, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:thumbstick-click */
    {0x2008, 0, 4, 0x0000000c, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:thumbstick-touch */
    {0x2009, 0, 4, 0x0000000d, 0, 0, 0, 20, 0, 0, 0}, /* hand-right:thumbrest-touch */
    {0x200b, 0, 4, 0x0000000f, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:lower */
    {0x200c, 0, 4, 0x00000010, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:lower-touch */
    {0x200d, 0, 4, 0x00000011, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:upper */
    {0x200e, 0, 4, 0x00000012, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:upper-touch */
    {0x200f, 0, 4, 0x00000003, 0, 0, 0, 0, 0, 0, 0}, /* hand-right:menu */
    {0x2010, 0, 4, 0x00000018, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 1, 4, 0x00000019, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 2, 4, 0x0000001a, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 3, 4, 0x0000001b, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 4, 4, 0x0000001c, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 5, 4, 0x0000001d, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 6, 4, 0x0000001e, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 7, 4, 0x0000002d, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 8, 4, 0x0000002e, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 9, 4, 0x0000002f, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 10, 4, 0x00000030, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 11, 4, 0x00000031, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 12, 4, 0x00000032, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2010, 13, 4, 0x00000033, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-grip */
    {0x2011, 0, 4, 0x0000001f, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 1, 4, 0x00000020, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 2, 4, 0x00000021, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 3, 4, 0x00000022, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 4, 4, 0x00000023, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 5, 4, 0x00000024, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 6, 4, 0x00000025, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
    {0x2011, 7, 4, 0x00000034, 14, 0, 0, 0, 0, 0, 0}, /* hand-right:pose-aim */
};

static const uint32_t pad_28de_1_codes[] = {0x00010150, 0x00030014, };
static const nplug_rule pad_28de_1_matches[] = {
    {0x0000, 0x28de, 0x0000, 0x0000, 3, 2, 2, 0, pad_28de_1_codes + 0, pad_28de_1_codes + 2, 0x00000000, 0, 0},
};
static const nplug_wire pad_28de_1_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c05, 0, 1, 0x00010220, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00010221, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00010222, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00010223, 0, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c09, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x00030015, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00030014, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030003, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030004, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c11, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c14, 0, 1, 0x00010150, 0, 0, 0, 0, 0, 0, 0}, /* pad:rear-left */
    {0x0c15, 0, 1, 0x00010151, 0, 0, 0, 0, 0, 0, 0}, /* pad:rear-right */
};

static const nplug_rule prints_letters_crossed_matches[] = {
    {0x0000, 0x057e, 0x0000, 0x0000, 3, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_print prints_letters_crossed_prints[] = {
    {0x0c01, "B"},
    {0x0c02, "A"},
    {0x0c03, "Y"},
    {0x0c04, "X"},
};

static const nplug_rule prints_letters_matches[] = {
    {0x0000, 0x045e, 0x0000, 0x0000, 3, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0000, 0x28de, 0x0000, 0x0000, 3, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_print prints_letters_prints[] = {
    {0x0c01, "A"},
    {0x0c02, "B"},
    {0x0c03, "X"},
    {0x0c04, "Y"},
};

static const nplug_rule stint_matches[] = {
    {0x0003, 0xb12d, 0x0801, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire stint_wires[] = {
    {0x0801, 0, 1, 0x00010110, 0, 0, 0, 0, 0, 0, 0}, /* mouse:left */
    {0x0802, 0, 1, 0x00010111, 0, 0, 0, 0, 0, 0, 0}, /* mouse:right */
    {0x0803, 0, 1, 0x00010112, 0, 0, 0, 0, 0, 0, 0}, /* mouse:middle */
    {0x0806, 0, 1, 0x00020000, 0, 0, 0, 0, 0, 0, 0}, /* mouse:move */
    {0x0806, 1, 1, 0x00020001, 0, 1, 0, 0, 0, 0, 0}, /* mouse:move */
    {0x0807, 0, 1, 0x00020006, 0, 0, 0, 0, 0, 0, 0}, /* mouse:wheel */
    {0x0807, 1, 1, 0x00020008, 0, 0, 0, 0, 0, 0, 0}, /* mouse:wheel */
};

static const nplug_rule tern_matches[] = {
    {0x0003, 0xb12d, 0x0901, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire tern_wires[] = {
    {0x1801, 0, 1, 0x00030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-1 */
    {0x1801, 1, 1, 0x00030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-1 */
    {0x1820, 0, 1, 0x00030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-1 */
    {0x1802, 0, 1, 0x01030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-2 */
    {0x1802, 1, 1, 0x01030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-2 */
    {0x1821, 0, 1, 0x01030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-2 */
    {0x1803, 0, 1, 0x02030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-3 */
    {0x1803, 1, 1, 0x02030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-3 */
    {0x1822, 0, 1, 0x02030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-3 */
    {0x1804, 0, 1, 0x03030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-4 */
    {0x1804, 1, 1, 0x03030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-4 */
    {0x1823, 0, 1, 0x03030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-4 */
    {0x1805, 0, 1, 0x04030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-5 */
    {0x1805, 1, 1, 0x04030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-5 */
    {0x1824, 0, 1, 0x04030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-5 */
    {0x1806, 0, 1, 0x05030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-6 */
    {0x1806, 1, 1, 0x05030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-6 */
    {0x1825, 0, 1, 0x05030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-6 */
    {0x1807, 0, 1, 0x06030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-7 */
    {0x1807, 1, 1, 0x06030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-7 */
    {0x1826, 0, 1, 0x06030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-7 */
    {0x1808, 0, 1, 0x07030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-8 */
    {0x1808, 1, 1, 0x07030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-8 */
    {0x1827, 0, 1, 0x07030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-8 */
    {0x1809, 0, 1, 0x08030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-9 */
    {0x1809, 1, 1, 0x08030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-9 */
    {0x1828, 0, 1, 0x08030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-9 */
    {0x180a, 0, 1, 0x09030035, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-10 */
    {0x180a, 1, 1, 0x09030036, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-10 */
    {0x1829, 0, 1, 0x09030039, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-10 */
};

static const nplug_rule turnstone_matches[] = {
    {0x0003, 0xb12d, 0x0701, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};

static const nplug_rule wheel_046d_matches[] = {
    {0x0000, 0x046d, 0xc24f, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0000, 0x046d, 0xc294, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0000, 0x046d, 0xc295, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0000, 0x046d, 0xc298, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0000, 0x046d, 0xc299, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0000, 0x046d, 0xc29a, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0000, 0x046d, 0xc29b, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0000, 0x046d, 0xc29c, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0000, 0x046d, 0xca03, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0000, 0x046d, 0xca04, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire wheel_046d_wires[] = {
    {0x1401, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* wheel:steering */
    {0x1402, 0, 1, 0x00030002, 2, 64, 0, 0, 0, 0, 0}, /* wheel:accelerator */
    {0x1403, 0, 1, 0x00030005, 2, 64, 0, 0, 0, 0, 0}, /* wheel:brake */
    {0x1404, 0, 1, 0x00030001, 2, 64, 0, 0, 0, 0, 0}, /* wheel:clutch */
    {0x1420, 0, 1, 0x00030010, 0, 0, 0, 0, 0, 0, 0}, /* wheel:hat-1 */
    {0x1420, 1, 1, 0x00030011, 0, 1, 0, 0, 0, 0, 0}, /* wheel:hat-1 */
    {0x1440, 0, 1, 0x00010120, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-1 */
    {0x1441, 0, 1, 0x00010121, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-2 */
    {0x1442, 0, 1, 0x00010122, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-3 */
    {0x1443, 0, 1, 0x00010123, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-4 */
    {0x1444, 0, 1, 0x00010124, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-5 */
    {0x1445, 0, 1, 0x00010125, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-6 */
    {0x1446, 0, 1, 0x00010126, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-7 */
    {0x1447, 0, 1, 0x00010127, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-8 */
    {0x1448, 0, 1, 0x00010128, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-9 */
    {0x1449, 0, 1, 0x00010129, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-10 */
    {0x144a, 0, 1, 0x0001012a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-11 */
    {0x144b, 0, 1, 0x0001012b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-12 */
    {0x144c, 0, 1, 0x0001012c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-13 */
    {0x144d, 0, 1, 0x0001012d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-14 */
    {0x144e, 0, 1, 0x0001012e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-15 */
    {0x144f, 0, 1, 0x0001012f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-16 */
    {0x1450, 0, 1, 0x000102c0, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-17 */
    {0x1451, 0, 1, 0x000102c1, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-18 */
    {0x1452, 0, 1, 0x000102c2, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-19 */
    {0x1453, 0, 1, 0x000102c3, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-20 */
    {0x1454, 0, 1, 0x000102c4, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-21 */
    {0x1455, 0, 1, 0x000102c5, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-22 */
    {0x1456, 0, 1, 0x000102c6, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-23 */
    {0x1457, 0, 1, 0x000102c7, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-24 */
    {0x1458, 0, 1, 0x000102c8, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-25 */
    {0x1459, 0, 1, 0x000102c9, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-26 */
    {0x145a, 0, 1, 0x000102ca, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-27 */
    {0x145b, 0, 1, 0x000102cb, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-28 */
    {0x145c, 0, 1, 0x000102cc, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-29 */
    {0x145d, 0, 1, 0x000102cd, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-30 */
    {0x145e, 0, 1, 0x000102ce, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-31 */
    {0x145f, 0, 1, 0x000102cf, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-32 */
    {0x1460, 0, 1, 0x000102d0, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-33 */
    {0x1461, 0, 1, 0x000102d1, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-34 */
    {0x1462, 0, 1, 0x000102d2, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-35 */
    {0x1463, 0, 1, 0x000102d3, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-36 */
    {0x1464, 0, 1, 0x000102d4, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-37 */
    {0x1465, 0, 1, 0x000102d5, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-38 */
    {0x1466, 0, 1, 0x000102d6, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-39 */
    {0x1467, 0, 1, 0x000102d7, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-40 */
    {0x1468, 0, 1, 0x000102d8, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-41 */
    {0x1469, 0, 1, 0x000102d9, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-42 */
    {0x146a, 0, 1, 0x000102da, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-43 */
    {0x146b, 0, 1, 0x000102db, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-44 */
    {0x146c, 0, 1, 0x000102dc, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-45 */
    {0x146d, 0, 1, 0x000102dd, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-46 */
    {0x146e, 0, 1, 0x000102de, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-47 */
    {0x146f, 0, 1, 0x000102df, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-48 */
    {0x1470, 0, 1, 0x000102e0, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-49 */
    {0x1471, 0, 1, 0x000102e1, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-50 */
    {0x1472, 0, 1, 0x000102e2, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-51 */
    {0x1473, 0, 1, 0x000102e3, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-52 */
    {0x1474, 0, 1, 0x000102e4, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-53 */
    {0x1475, 0, 1, 0x000102e5, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-54 */
    {0x1476, 0, 1, 0x000102e6, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-55 */
    {0x1477, 0, 1, 0x000102e7, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-56 */
};

static const nplug_rule wheel_1038_1410_matches[] = {
    {0x0000, 0x1038, 0x1410, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire wheel_1038_1410_wires[] = {
    {0x1401, 0, 1, 0x00030000, 0, 0, 0, 0, 0, 0, 0}, /* wheel:steering */
    {0x1402, 0, 1, 0x00030001, 1, 0, 0, 0, 0, 0, 0}, /* wheel:accelerator */
    {0x1403, 0, 1, 0x00030002, 1, 0, 0, 0, 0, 0, 0}, /* wheel:brake */
    {0x1420, 0, 1, 0x00030010, 0, 0, 0, 0, 0, 0, 0}, /* wheel:hat-1 */
    {0x1420, 1, 1, 0x00030011, 0, 1, 0, 0, 0, 0, 0}, /* wheel:hat-1 */
    {0x1418, 0, 1, 0x00030003, 1, 8, 0, 0, 0, 0, 0}, /* wheel:dial-1 */
    {0x1419, 0, 1, 0x00030005, 1, 8, 0, 0, 0, 0, 0}, /* wheel:dial-2 */
    {0x1440, 0, 1, 0x00010100, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-1 */
    {0x1441, 0, 1, 0x00010101, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-2 */
    {0x1442, 0, 1, 0x00010102, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-3 */
    {0x1443, 0, 1, 0x00010103, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-4 */
    {0x1444, 0, 1, 0x00010104, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-5 */
    {0x1445, 0, 1, 0x00010105, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-6 */
    {0x1446, 0, 1, 0x00010106, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-7 */
    {0x1447, 0, 1, 0x00010107, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-8 */
    {0x1448, 0, 1, 0x00010108, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-9 */
    {0x1449, 0, 1, 0x00010109, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-10 */
    {0x144a, 0, 1, 0x0001010a, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-11 */
    {0x144b, 0, 1, 0x0001010b, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-12 */
    {0x144c, 0, 1, 0x0001010c, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-13 */
    {0x144d, 0, 1, 0x0001010d, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-14 */
    {0x144e, 0, 1, 0x0001010e, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-15 */
    {0x144f, 0, 1, 0x0001010f, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-16 */
    {0x1450, 0, 1, 0x00010110, 0, 0, 0, 0, 0, 0, 0}, /* wheel:button-17 */
};

static const nplug_rule whimbrel_air_matches[] = {
    {0x0005, 0xb12d, 0x0201, 0x0000, 0, 2, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0005, 0xb12d, 0x0202, 0x0000, 0, 2, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire whimbrel_air_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c09, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x0003000a, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00030009, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 32, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 33, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030002, 0, 32, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030005, 0, 33, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c11, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c18, 0, 1, 0x000102c0, 0, 0, 0, 0, 0, 0, 0}, /* pad:touchpad */
};
static const nplug_print whimbrel_air_prints[] = {
    {0x0c01, "anchor"},
    {0x0c02, "gull"},
    {0x0c03, "wave"},
    {0x0c04, "lamp"},
    {0x0c09, "bow"},
    {0x0c0a, "stern"},
};

static const nplug_rule whimbrel_matches[] = {
    {0x0003, 0xb12d, 0x0201, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
    {0x0003, 0xb12d, 0x0202, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire whimbrel_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010134, 0, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010133, 0, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c09, 0, 1, 0x00010136, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x00030002, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00030005, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 32, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 33, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030003, 0, 32, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030004, 0, 33, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0f, 0, 1, 0x0001013d, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c11, 0, 1, 0x0001013a, 0, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x0001013b, 0, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 1, 0x0001013c, 0, 0, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c18, 0, 1, 0x000102c0, 0, 0, 0, 0, 0, 0, 0}, /* pad:touchpad */
};
static const nplug_print whimbrel_prints[] = {
    {0x0c01, "anchor"},
    {0x0c02, "gull"},
    {0x0c03, "wave"},
    {0x0c04, "lamp"},
    {0x0c09, "bow"},
    {0x0c0a, "stern"},
};

static const nplug_rule window_keyboard_matches[] = {
    {0x0019, 0x0000, 0x0001, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};

static const nplug_rule window_mouse_matches[] = {
    {0x0019, 0x0000, 0x0002, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire window_mouse_wires[] = {
    {0x0801, 0, 1, 0x00010110, 0, 0, 0, 0, 0, 0, 0}, /* mouse:left */
    {0x0802, 0, 1, 0x00010111, 0, 0, 0, 0, 0, 0, 0}, /* mouse:right */
    {0x0803, 0, 1, 0x00010112, 0, 0, 0, 0, 0, 0, 0}, /* mouse:middle */
    {0x0804, 0, 1, 0x00010113, 0, 0, 0, 0, 0, 0, 0}, /* mouse:back */
    {0x0805, 0, 1, 0x00010114, 0, 0, 0, 0, 0, 0, 0}, /* mouse:forward */
    {0x0808, 0, 1, 0x00010115, 0, 0, 0, 0, 0, 0, 0}, /* mouse:forward-2 */
    {0x0809, 0, 1, 0x00010116, 0, 0, 0, 0, 0, 0, 0}, /* mouse:back-2 */
    {0x080a, 0, 1, 0x00010117, 0, 0, 0, 0, 0, 0, 0}, /* mouse:task */
    {0x080b, 0, 1, 0x00030000, 1, 0, 0, 0, 0, 0, 0}, /* mouse:place */
    {0x080b, 1, 1, 0x00030001, 1, 0, 0, 0, 0, 0, 0}, /* mouse:place */
    {0x0806, 0, 1, 0x00020000, 0, 0, 0, 0, 0, 0, 0}, /* mouse:move */
    {0x0806, 1, 1, 0x00020001, 0, 1, 0, 0, 0, 0, 0}, /* mouse:move */
    {0x0807, 0, 1, 0x00020006, 0, 4, 0, 0, 0, -120, 120}, /* mouse:wheel */
    {0x0807, 1, 1, 0x00020008, 0, 4, 0, 0, 0, -120, 120}, /* mouse:wheel */
};

static const nplug_rule window_pad_matches[] = {
    {0x0019, 0x0000, 0x0004, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire window_pad_wires[] = {
    {0x0c01, 0, 3, 0x00000000, 1, 0, 0, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 3, 0x00000001, 1, 0, 0, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 3, 0x00000002, 1, 0, 0, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 3, 0x00000003, 1, 0, 0, 0, 0, 0, 0}, /* pad:north */
    {0x0c09, 0, 3, 0x00000004, 1, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 3, 0x00000005, 1, 0, 0, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 3, 0x00000006, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 3, 0x00000007, 1, 0, 0, 0, 0, 0, 0}, /* pad:trigger-right */
    {0x0c11, 0, 3, 0x00000008, 1, 0, 0, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 3, 0x00000009, 1, 0, 0, 0, 0, 0, 0}, /* pad:start */
    {0x0c0f, 0, 3, 0x0000000a, 1, 0, 0, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 3, 0x0000000b, 1, 0, 0, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c05, 0, 3, 0x0000000c, 1, 0, 0, 0, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 3, 0x0000000d, 1, 0, 0, 0, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 3, 0x0000000e, 1, 0, 0, 0, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 3, 0x0000000f, 1, 0, 0, 0, 0, 0, 0}, /* pad:dpad-right */
    {0x0c13, 0, 3, 0x00000010, 1, 0, 0, 0, 0, 0, 0}, /* pad:home */
    {0x0c0d, 0, 3, 0x00000100, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 3, 0x00000101, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 3, 0x00000102, 0, 0, 0, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 3, 0x00000103, 0, 1, 0, 0, 0, 0, 0}, /* pad:stick-right */
};

static const nplug_rule window_pen_matches[] = {
    {0x0019, 0x0000, 0x0005, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire window_pen_wires[] = {
    {0x1801, 0, 0, 0x00000001, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-1 */
    {0x1801, 1, 0, 0x00000002, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-1 */
    {0x1820, 0, 0, 0x00000000, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-1 */
    {0x1840, 0, 0, 0x00000003, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-1 */
    {0x1868, 0, 0, 0x00000004, 13, 0, 0, 0, 0, 0, 0}, /* touch:near */
};

static const nplug_rule window_touch_matches[] = {
    {0x0019, 0x0000, 0x0003, 0x0000, 0, 0, 0, 0, NULL, NULL, 0x00000000, 0, 0},
};
static const nplug_wire window_touch_wires[] = {
    {0x1801, 0, 0, 0x00000001, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-1 */
    {0x1801, 1, 0, 0x00000002, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-1 */
    {0x1820, 0, 0, 0x00000000, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-1 */
    {0x1840, 0, 0, 0x00000003, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-1 */
    {0x1802, 0, 0, 0x00000005, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-2 */
    {0x1802, 1, 0, 0x00000006, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-2 */
    {0x1821, 0, 0, 0x00000004, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-2 */
    {0x1841, 0, 0, 0x00000007, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-2 */
    {0x1803, 0, 0, 0x00000009, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-3 */
    {0x1803, 1, 0, 0x0000000a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-3 */
    {0x1822, 0, 0, 0x00000008, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-3 */
    {0x1842, 0, 0, 0x0000000b, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-3 */
    {0x1804, 0, 0, 0x0000000d, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-4 */
    {0x1804, 1, 0, 0x0000000e, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-4 */
    {0x1823, 0, 0, 0x0000000c, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-4 */
    {0x1843, 0, 0, 0x0000000f, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-4 */
    {0x1805, 0, 0, 0x00000011, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-5 */
    {0x1805, 1, 0, 0x00000012, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-5 */
    {0x1824, 0, 0, 0x00000010, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-5 */
    {0x1844, 0, 0, 0x00000013, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-5 */
    {0x1806, 0, 0, 0x00000015, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-6 */
    {0x1806, 1, 0, 0x00000016, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-6 */
    {0x1825, 0, 0, 0x00000014, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-6 */
    {0x1845, 0, 0, 0x00000017, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-6 */
    {0x1807, 0, 0, 0x00000019, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-7 */
    {0x1807, 1, 0, 0x0000001a, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-7 */
    {0x1826, 0, 0, 0x00000018, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-7 */
    {0x1846, 0, 0, 0x0000001b, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-7 */
    {0x1808, 0, 0, 0x0000001d, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-8 */
    {0x1808, 1, 0, 0x0000001e, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-8 */
    {0x1827, 0, 0, 0x0000001c, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-8 */
    {0x1847, 0, 0, 0x0000001f, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-8 */
    {0x1809, 0, 0, 0x00000021, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-9 */
    {0x1809, 1, 0, 0x00000022, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-9 */
    {0x1828, 0, 0, 0x00000020, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-9 */
    {0x1848, 0, 0, 0x00000023, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-9 */
    {0x180a, 0, 0, 0x00000025, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-10 */
    {0x180a, 1, 0, 0x00000026, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-10 */
    {0x1829, 0, 0, 0x00000024, 13, 0, 0, 0, 0, 0, 0}, /* touch:contact-down-10 */
    {0x1849, 0, 0, 0x00000027, 1, 0, 0, 0, 0, 0, 0}, /* touch:contact-pressure-10 */
};

static const nplug_sheet sheets[] = {
    {(uint32_t)sizeof(nplug_sheet), 1, "any-keyboard", "",
     any_keyboard_matches, NULL, NULL,
     2, 0, 0, 1, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 10, "any-motion", "",
     any_motion_matches, any_motion_wires, NULL,
     1, 11, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 2, "any-mouse-fine", "",
     any_mouse_fine_matches, any_mouse_fine_wires, NULL,
     1, 14, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 2, "any-mouse-usages", "",
     any_mouse_usages_matches, any_mouse_usages_wires, NULL,
     1, 12, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 2, "any-mouse", "",
     any_mouse_matches, any_mouse_wires, NULL,
     1, 14, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "any-pad-buttons", "",
     any_pad_buttons_matches, any_pad_buttons_wires, NULL,
     1, 28, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "any-pad-counted-rx", "",
     any_pad_counted_rx_matches, any_pad_counted_rx_wires, NULL,
     1, 28, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "any-pad-counted", "",
     any_pad_counted_matches, any_pad_counted_wires, NULL,
     3, 30, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "any-pad-hats", "",
     any_pad_hats_matches, any_pad_hats_wires, NULL,
     1, 26, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "any-pad-lettered", "",
     any_pad_lettered_matches, any_pad_lettered_wires, NULL,
     2, 37, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "any-pad-pedals", "",
     any_pad_pedals_matches, any_pad_pedals_wires, NULL,
     1, 30, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "any-pad-usages-pedals", "",
     any_pad_usages_pedals_matches, any_pad_usages_pedals_wires, NULL,
     1, 28, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "any-pad-usages-rx", "",
     any_pad_usages_rx_matches, any_pad_usages_rx_wires, NULL,
     1, 28, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "any-pad-usages", "",
     any_pad_usages_matches, any_pad_usages_wires, NULL,
     1, 28, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "any-pad-w3c", "",
     any_pad_w3c_matches, any_pad_w3c_wires, NULL,
     1, 21, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "any-pad-z", "",
     any_pad_z_matches, any_pad_z_wires, NULL,
     1, 26, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "any-pad", "",
     any_pad_matches, any_pad_wires, NULL,
     1, 30, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 4, "any-stick-usages", "",
     any_stick_usages_matches, any_stick_usages_wires, NULL,
     1, 142, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 4, "any-stick", "",
     any_stick_matches, any_stick_wires, NULL,
     1, 102, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 6, "any-touch-one", "",
     any_touch_one_matches, any_touch_one_wires, NULL,
     1, 9, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 6, "any-touch", "",
     any_touch_matches, any_touch_wires, NULL,
     1, 64, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 5, "any-wheel-usages", "",
     any_wheel_usages_matches, any_wheel_usages_wires, NULL,
     1, 134, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 5, "any-wheel-x", "",
     any_wheel_x_matches, any_wheel_x_wires, NULL,
     1, 95, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 5, "any-wheel-y", "",
     any_wheel_y_matches, any_wheel_y_wires, NULL,
     1, 97, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 5, "any-wheel", "",
     any_wheel_matches, any_wheel_wires, NULL,
     1, 96, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "avocet", "quay-letters",
     avocet_matches, avocet_wires, avocet_prints,
     1, 23, 4, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "curlew", "tide-letters",
     curlew_matches, curlew_wires, curlew_prints,
     1, 21, 4, 0, 2, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "dunlin", "numbers",
     dunlin_matches, dunlin_wires, dunlin_prints,
     1, 20, 4, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 4, "godwit", "",
     godwit_matches, godwit_wires, NULL,
     1, 19, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "heron", "quay-letters",
     heron_matches, heron_wires, heron_prints,
     1, 21, 10, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 10, "motion-057e", "",
     motion_057e_matches, motion_057e_wires, NULL,
     1, 11, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 9, "openxr-headset", "",
     openxr_headset_matches, openxr_headset_wires, NULL,
     1, 14, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 7, "openxr-left", "",
     openxr_left_matches, openxr_left_wires, NULL,
     1, 45, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 8, "openxr-right", "",
     openxr_right_matches, openxr_right_wires, NULL,
     1, 45, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 9, "osprey-headset", "",
     osprey_headset_matches, osprey_headset_wires, NULL,
     1, 9, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 7, "osprey-left", "",
     osprey_left_matches, osprey_left_wires, NULL,
     1, 36, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 8, "osprey-right", "",
     osprey_right_matches, osprey_right_wires, NULL,
     1, 36, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "pad-28de-1", "",
     pad_28de_1_matches, pad_28de_1_wires, NULL,
     1, 23, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "prints-letters-crossed", "letters-crossed",
     prints_letters_crossed_matches, NULL, prints_letters_crossed_prints,
     1, 0, 4, 0, 2, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "prints-letters", "letters",
     prints_letters_matches, NULL, prints_letters_prints,
     2, 0, 4, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 2, "stint", "",
     stint_matches, stint_wires, NULL,
     1, 7, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 6, "tern", "",
     tern_matches, tern_wires, NULL,
     1, 30, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 1, "turnstone", "",
     turnstone_matches, NULL, NULL,
     1, 0, 0, 1, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 5, "wheel-046d", "",
     wheel_046d_matches, wheel_046d_wires, NULL,
     10, 62, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 5, "wheel-1038-1410", "",
     wheel_1038_1410_matches, wheel_1038_1410_wires, NULL,
     1, 24, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "whimbrel-air", "harbour-marks",
     whimbrel_air_matches, whimbrel_air_wires, whimbrel_air_prints,
     2, 22, 6, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "whimbrel", "harbour-marks",
     whimbrel_matches, whimbrel_wires, whimbrel_prints,
     2, 22, 6, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 1, "window-keyboard", "",
     window_keyboard_matches, NULL, NULL,
     1, 0, 0, 1, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 2, "window-mouse", "",
     window_mouse_matches, window_mouse_wires, NULL,
     1, 14, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 3, "window-pad", "",
     window_pad_matches, window_pad_wires, NULL,
     1, 21, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 6, "window-pen", "",
     window_pen_matches, window_pen_wires, NULL,
     1, 5, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
    {(uint32_t)sizeof(nplug_sheet), 6, "window-touch", "",
     window_touch_matches, window_touch_wires, NULL,
     1, 40, 0, 0, 0, sizeof(nplug_rule), sizeof(nplug_wire), sizeof(nplug_print)},
};

const nplug_sheet *nplug_builtin_sheets(uint32_t *count)
{
    *count = (uint32_t)(sizeof sheets / sizeof *sheets);
    return sheets;
}
